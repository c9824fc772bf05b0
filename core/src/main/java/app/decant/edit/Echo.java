package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The passages of a document's body that are alike in kind with one that looks right, and the look of that one given to them: headings of a level, items of a
 * list's level, cells, passages of one style, or where a style says nothing those that look the same; and headings that a list of them misses, since they only
 * bear a number where one is missing.
 *
 * @param model  the way to the passage that looks right
 * @param others the ways to the others, in reading order
 */
public record Echo(BlockPath model, List<BlockPath> others) {
    private static final Pattern NUMBER = Pattern.compile("^\\s*(\\d+(?:\\.\\d+)*)\\.?\\s+");
    /** What stands out within a passage stays so. */
    private static final List<Property<?>> EMPHASIS = List.of(TextProperty.BOLD, TextProperty.ITALIC, TextProperty.UNDERLINE, TextProperty.STRIKE,
            TextProperty.SCRIPT, TextProperty.HIGHLIGHT);

    public Echo { others = List.copyOf(others); }

    /** What makes passages alike. */
    private record Kind(int outline, String style, Integer listLevel, boolean inTable, boolean inHead, Look look) { }

    /** All passages like one. */
    public static Echo of(Document document, BlockPath model) {
        Cascade cascade = Cascade.of(document);
        Kind kind = kind(document, cascade, model, document.paragraph(model));
        List<BlockPath> others = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).stops()) {
            boolean blank = stop.paragraph().plainText().isBlank();
            if (!blank && !stop.path().equals(model) && kind(document, cascade, stop.path(), stop.paragraph()).equals(kind)) others.add(stop.path());
        }
        if (kind.outline > 0) missed(document, cascade, model, others);
        others.sort(null);
        return new Echo(model, others);
    }

    private static Kind kind(Document document, Cascade cascade, BlockPath path, Paragraph paragraph) {
        int outline = cascade.outlineLevel(paragraph);
        if (outline > 0) return new Kind(outline, null, null, false, false, null);
        Table table = path.size() >= 5 && document.find(Story.BODY, table(path)) instanceof Table found ? found : null;
        boolean head = table != null && table.rows().get(path.step(path.size() - 3)).look().is(TableProperty.HEADER_ROW);
        ListReference list = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        String usual = document.styles().defaultParagraph();
        String style = paragraph.style() == null ? usual : paragraph.style();
        boolean plain = style == null || style.equals(usual);
        Integer level = list == null || list.list() == null ? null : list.level();
        Look look = plain && level == null ? seen(cascade, paragraph) : null;
        return new Kind(0, style, level, table != null, head, look);
    }

    private static BlockPath table(BlockPath cell) {
        BlockPath path = cell;
        for (int i = 0; i < 3; i++) path = path.parent();
        return path;
    }

    /** How a passage's letters look, by what a reader sees at once. */
    private static Look seen(Cascade cascade, Paragraph paragraph) {
        Look text = cascade.text(paragraph, paragraph.lookBefore(1));
        Look seen = Look.of(ParagraphProperty.ALIGNMENT, cascade.paragraph(paragraph).get(ParagraphProperty.ALIGNMENT, ParagraphProperty.Alignment.START));
        seen = seen.with(TextProperty.FAMILY, text.get(TextProperty.FAMILY)).with(TextProperty.SIZE, text.get(TextProperty.SIZE));
        return seen.with(TextProperty.BOLD, text.is(TextProperty.BOLD)).with(TextProperty.ITALIC, text.is(TextProperty.ITALIC))
                .with(TextProperty.COLOUR, text.get(TextProperty.COLOUR));
    }

    /** Passages that bear the number of a heading that is missing, of as many parts as the model's. */
    private static void missed(Document document, Cascade cascade, BlockPath model, List<BlockPath> others) {
        ListLabels labels = ListLabels.of(document, cascade);
        int parts = parts(document.paragraph(model), labels);
        for (Outline.Gap gap : Outline.of(document, cascade, labels).gaps()) {
            boolean fits = gap.candidate() != null && gap.number().split("\\.").length == parts;
            if (fits && !others.contains(gap.candidate()) && !gap.candidate().equals(model)) others.add(gap.candidate());
        }
    }

    private static int parts(Paragraph paragraph, ListLabels labels) {
        String label = labels.label(paragraph);
        Matcher matcher = NUMBER.matcher((label == null || label.isBlank() ? "" : label + " ") + paragraph.plainText() + " ");
        return matcher.find() ? matcher.group(1).split("\\.").length : 0;
    }

    /**
     * The model's style and look given to others, in one step. What stands out within them stays so, and a number that was typed goes where the model's are
     * counted.
     *
     * @param wanted those of the others that get it
     */
    public Change apply(Document document, Selection picked, List<BlockPath> wanted) {
        Paragraph right = document.paragraph(model);
        Cascade cascade = Cascade.of(document);
        ListReference counted = cascade.paragraph(right).get(ParagraphProperty.LIST);
        ListLabels labels = ListLabels.of(document, cascade);
        Draft draft = new Draft(document, picked);
        List<TextStep.Part> typed = new ArrayList<>();
        for (BlockPath path : wanted) {
            Paragraph paragraph = document.paragraph(path);
            Matcher number = NUMBER.matcher(paragraph.text());
            boolean labelled = labels.label(paragraph) != null && !labels.label(paragraph).isBlank();
            if (counted != null && counted.list() != null && !labelled && number.find())
                typed.add(new TextStep.Part(path, Cut.before(0), Cut.before(number.end()), List.of()));
        }
        if (!typed.isEmpty()) draft.add(new TextStep(Story.BODY, typed));
        SortedMap<BlockPath, Paragraph> dressed = new TreeMap<>();
        for (BlockPath path : wanted) {
            Paragraph paragraph = draft.document().paragraph(path);
            Paragraph made = dressed(right, paragraph);
            if (!made.equals(paragraph)) dressed.put(path, made);
        }
        if (!dressed.isEmpty()) draft.add(new DressStep(Story.BODY, dressed));
        return draft.done(EditKind.LOOK);
    }

    private static Paragraph dressed(Paragraph right, Paragraph other) {
        Look look = right.look();
        // Where pages and counts begin, and what only the file knows of it, is each passage's own.
        for (Property<?> own : List.of(ParagraphProperty.PAGE_BREAK_BEFORE, Markup.PARAGRAPH)) look = kept(look, other.look(), own);
        if (other.look().says(ParagraphProperty.LIST) && right.look().says(ParagraphProperty.LIST)) look = kept(look, other.look(), ParagraphProperty.LIST);
        Look letters = right.lookBefore(1);
        for (Property<?> own : TextProperty.hanging()) letters = letters.without(own);
        letters = letters.without(TextProperty.SCRIPT);
        Look base = other.lookBefore(1);
        List<Inline> inlines = new ArrayList<>();
        for (Inline inline : other.inlines()) {
            Look dress = letters;
            for (Property<?> property : EMPHASIS)
                if (inline.look().says(property) && !inline.look().get(property).equals(base.get(property))) dress = kept(dress, inline.look(), property);
            for (Property<?> property : TextProperty.hanging()) dress = kept(dress, inline.look(), property);
            inlines.add(inline instanceof Inline.BookmarkPoint ? inline : inline.with(dress));
        }
        Look mark = right.mark();
        for (Property<?> property : TextProperty.hanging()) mark = kept(mark, other.mark(), property);
        look = kept(look, other.look(), ParagraphProperty.CONTROL);
        return new Paragraph(right.style(), look, mark, inlines);
    }

    private static <T> Look kept(Look look, Look from, Property<T> property) {
        return from.says(property) ? look.with(property, from.get(property)) : look.without(property);
    }
}
