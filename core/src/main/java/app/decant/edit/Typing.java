package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Property;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/** What keys write: text, new paragraphs, line breaks. */
public final class Typing {
    /** How a paragraph is set, and its letters: what it says of itself besides is its own. */
    private static final Set<Property<?>> SETTING = Set.of(ParagraphProperty.ALIGNMENT, ParagraphProperty.INDENT_START, ParagraphProperty.INDENT_END,
            ParagraphProperty.FIRST_LINE, ParagraphProperty.SPACE_BEFORE, ParagraphProperty.SPACE_AFTER, ParagraphProperty.LINE_SPACING);
    /** So many blocks below are asked how text looks. */
    private static final int NEAR = 6;
    private static final Set<Property<?>> LETTERS = Set.of(TextProperty.FAMILY, TextProperty.SIZE, TextProperty.COLOUR);

    private Typing() { }

    /**
     * Text put in the place of what is picked; line breaks in it ({@code \r\n}, {@code \n}) make new paragraphs. A null look takes that
     * of the first letter that goes, where one goes, else of the text before. What others remarked on nothing but what goes is said of the text that comes.
     */
    public static Change type(Document document, Selection picked, String text, Look look) {
        Draft draft = new Draft(document, picked);
        Place at = Deletion.into(draft, picked);
        Paragraph first = draft.document().paragraph(at);
        Look dressed = look != null ? look : typedLook(replacedLook(document, picked), first, at.offset());
        if (picked instanceof TextSelection words && !words.isEmpty() && !text.isEmpty()) dressed = remarked(dressed, document, draft.document());
        List<Paragraph> pieces = new ArrayList<>();
        for (String line : text.replace("\r\n", "\n").replace('\r', '\n').split("\n", -1)) {
            String clean = clean(line);
            pieces.add(Dress.parted(first).on(clean.isEmpty() ? List.of() : List.of(new Inline.Text(clean, dressed))));
        }
        return draft.done(EditKind.TYPING, Pasting.into(draft, at, pieces));
    }

    private static Look remarked(Look look, Document before, Document now) {
        Set<Comment> gone = new LinkedHashSet<>(Comments.borne(before).keySet());
        if (!gone.isEmpty()) gone.removeAll(Comments.borne(now).keySet());
        Comment.Thread thread = look.get(TextProperty.COMMENTS);
        for (Comment comment : gone) thread = Comment.Thread.and(thread, comment);
        return gone.isEmpty() ? look : look.with(TextProperty.COMMENTS, thread);
    }

    /** A word in the place of another, looking as that did where it began. */
    public static Change correct(Document document, TextSelection word, String text) {
        Paragraph paragraph = document.paragraph(word.start());
        Place start = word.start();
        boolean within = !word.isEmpty() && start.path().equals(word.end().path());
        if (!within) throw new IllegalArgumentException("A word stands in one paragraph");
        Look look = paragraph.lookBefore(start.offset() + 1);
        Draft draft = new Draft(document, word);
        draft.add(new TextStep(start.story(), start.path(), Cut.after(paragraph, start.offset()), Cut.before(word.end().offset()),
                List.of(new Inline.Text(clean(text), look))));
        return draft.done(EditKind.REPLACING, start.at(start.offset() + clean(text).length()));
    }

    /** A line break put in the place of what is picked. */
    public static Change breakLine(Document document, Selection picked) {
        Draft draft = new Draft(document, picked);
        Place at = Deletion.into(draft, picked);
        Paragraph paragraph = draft.document().paragraph(at);
        Cut cut = Cut.in(paragraph, at.offset());
        Inline line = new Inline.Text(String.valueOf(Inline.LINE_BREAK), paragraph.lookBefore(at.offset()));
        draft.add(new TextStep(at.story(), at.path(), cut, cut, List.of(line)));
        return draft.done(EditKind.LINE_BREAK, at.at(at.offset() + 1));
    }

    /** The paragraph cut in two; after the end of a heading the next paragraph takes the style's following style. */
    public static Change breakParagraph(Document document, Selection picked) {
        Draft draft = new Draft(document, picked);
        Place at = Deletion.into(draft, picked);
        Paragraph whole = draft.document().paragraph(at);
        // Whoever goes on in a new paragraph writes on in the same letters.
        Look goesOn = at.offset() == whole.length() ? textLook(whole) : whole.mark();
        Dress tail = new Dress(whole.style(), whole.look().without(ParagraphProperty.PAGE_BREAK_BEFORE), goesOn);
        Style style = document.styles().style(whole.style() == null ? document.styles().defaultParagraph() : whole.style());
        boolean follows = at.offset() == whole.length() && style != null && style.next() != null && !style.next().equals(style.id());
        if (follows) tail = next(draft.document(), at, style.next());
        draft.add(new SplitStep(at.story(), at.path(), Cut.in(whole, at.offset()), Dress.parted(whole), tail));
        return draft.done(EditKind.NEW_PARAGRAPH, new Place(at.story(), at.path().sibling(at.path().last() + 1), 0));
    }

    /** What a paragraph wears that follows one of another style: what text of that style wears that stands there already, or soon after. */
    private static Dress next(Document document, Place at, String next) {
        for (int away = 1; away <= NEAR; away++) {
            Block below = document.find(at.story(), at.path().sibling(at.path().last() + away));
            if (!(below instanceof Paragraph one) || !next.equals(one.style()) || one.look().says(ParagraphProperty.LIST) || one.text().isBlank()) continue;
            List<Look> letters = one.inlines().stream().map(inline -> only(inline.look(), LETTERS)).distinct().toList();
            return new Dress(next, only(one.look(), SETTING), letters.size() == 1 ? letters.get(0) : Look.PLAIN);
        }
        return new Dress(next, Look.PLAIN, Look.PLAIN);
    }

    private static Look only(Look look, Set<Property<?>> properties) {
        Look only = look;
        for (Property<?> property : look.properties()) if (!properties.contains(property)) only = only.without(property);
        return only;
    }

    /** The look of a paragraph's last letters, without what belongs to these alone; of its mark where it has none. */
    private static Look textLook(Paragraph paragraph) {
        List<Inline> inlines = paragraph.inlines();
        for (int i = inlines.size() - 1; i >= 0; i--) {
            if (!(inlines.get(i) instanceof Inline.Text text)) continue;
            Look look = text.look().without(TextProperty.TRACKED).without(TextProperty.COMMENTS).without(TextProperty.FORM);
            return look.says(TextProperty.LINK) ? look.without(TextProperty.LINK).without(TextProperty.STYLE) : look;
        }
        return paragraph.mark();
    }

    /** The look of the first letter of what is picked; null where nothing is, or no letter. */
    private static Look replacedLook(Document document, Selection picked) {
        if (!(picked instanceof TextSelection text) || text.isEmpty()) return null;
        Paragraph paragraph = document.paragraph(text.start());
        List<Inline> rest = paragraph.slice(text.start().offset(), paragraph.length());
        return rest.stream().filter(inline -> inline.length() > 0).findFirst().filter(Inline.Text.class::isInstance).map(Inline::look).orElse(null);
    }

    /**
     * The look of what is typed between two letters. What hangs on passages, such as links and comments, goes on only where it does on both sides; nobody
     * tracks what is typed here.
     *
     * @param replaced the look that is taken, or null for that of the text before
     */
    private static Look typedLook(Look replaced, Paragraph paragraph, int offset) {
        Look before = paragraph.lookBefore(offset);
        Look look = (replaced == null ? before : replaced).without(TextProperty.TRACKED);
        Look after = offset < paragraph.length() ? paragraph.lookBefore(offset + 1) : Look.PLAIN;
        boolean remarked = Objects.equals(before.get(TextProperty.COMMENTS), look.get(TextProperty.COMMENTS))
                && Objects.equals(after.get(TextProperty.COMMENTS), look.get(TextProperty.COMMENTS));
        if (look.says(TextProperty.COMMENTS) && !remarked) look = look.without(TextProperty.COMMENTS);
        boolean linked = Objects.equals(before.get(TextProperty.LINK), look.get(TextProperty.LINK))
                && Objects.equals(after.get(TextProperty.LINK), look.get(TextProperty.LINK));
        return !look.says(TextProperty.LINK) || linked ? look : look.without(TextProperty.LINK).without(TextProperty.STYLE);
    }

    /** Without what no text may hold: control characters other than tabs and breaks, and stand-ins of objects. */
    private static String clean(String text) {
        StringBuilder result = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == Inline.TAB || c == Inline.PAGE_BREAK || c == '\u2028' || c >= ' ' && c != Inline.OBJECT && c != '\u007F')
                result.append(c == '\u2028' ? Inline.LINE_BREAK : c);
        }
        return result.toString();
    }
}
