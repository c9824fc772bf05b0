package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/** Styles of paragraphs as people think of them: a passage's look made the look of all of its style, made a style of its own, one style in another's place. */
public final class Styles {
    /** What belongs to a passage alone, whatever its style. */
    private static final Set<Property<?>> OWN = Set.of(ParagraphProperty.PAGE_BREAK_BEFORE, ParagraphProperty.LIST, ParagraphProperty.CONTROL,
            TextProperty.STYLE, TextProperty.LANGUAGE, TextProperty.HIDDEN, TextProperty.RIGHT_TO_LEFT, ParagraphProperty.RIGHT_TO_LEFT);

    private Styles() { }

    /** Whether words are parted at the ends of lines all through a document, but where something else is said of that. */
    public static boolean partsWords(Document document) { return document.styles().defaults().is(ParagraphProperty.HYPHENATION); }

    /** Parts words at the ends of lines all through a document, in the languages whose patterns are known; or no longer. */
    public static Change partWords(Document document, Selection picked, boolean wished) {
        StyleSheet styles = document.styles();
        Look defaults = wished ? styles.defaults().with(ParagraphProperty.HYPHENATION, true) : styles.defaults().without(ParagraphProperty.HYPHENATION);
        StyleSheet made = new StyleSheet(defaults, styles.defaultParagraph(), styles.defaultTable(), styles.styles());
        return new Draft(document, picked).add(new StyleStep(made, document.numbering())).done(EditKind.STYLE, picked);
    }

    /** The style of the paragraph at the caret; null where the document has none at all. */
    public static Style at(Document document, Selection picked) {
        String id = document.paragraph(picked.head().at(0)).style();
        Style own = document.styles().style(id);
        return own != null ? own : document.styles().style(document.styles().defaultParagraph());
    }

    /** The style of the paragraph at the caret changed to what the passage looks like, and with it all passages of that style. */
    public static Change follow(Document document, Selection picked) {
        Style style = at(document, picked);
        if (style == null) throw new IllegalArgumentException("There is no style to change");
        Look said = said(document, picked);
        Draft draft = new Draft(document, picked);
        if (said.isPlain()) return draft.done(EditKind.STYLE, picked);
        draft.add(new StyleStep(document.styles().with(style.withLook(said.over(style.look()))), document.numbering()));
        return worn(draft, picked, style.id(), said);
    }

    /**
     * A style of a name made from the passage at the caret, which then wears it. It is made from the style that the passage had.
     *
     * @param name as people call it; where there is one of that name already, a number is added
     */
    public static Change make(Document document, Selection picked, String name) {
        Style below = at(document, picked);
        String free = free(document.styles(), name.strip());
        Look said = said(document, picked);
        Style made = new Style(free, free, Style.Kind.PARAGRAPH, below == null ? null : below.id(), null, said);
        Draft draft = new Draft(document, picked).add(new StyleStep(document.styles().with(made), document.numbering()));
        return worn(draft, picked, free, said);
    }

    private static String free(StyleSheet styles, String name) {
        String free = name;
        int number = 2;
        while (isTaken(styles, free)) free = name + " " + number++;
        return free;
    }

    private static boolean isTaken(StyleSheet styles, String name) {
        return styles.styles().values().stream().anyMatch(style -> style.id().equalsIgnoreCase(name) || style.name().equalsIgnoreCase(name));
    }

    /** What the passage at the caret says of its look beyond its style: its paragraph's own look, and that of the letters where the caret is. */
    private static Look said(Document document, Selection picked) {
        Paragraph paragraph = document.paragraph(picked.head().at(0));
        int from = picked instanceof TextSelection text ? text.start().offset() : 0;
        Look letters = paragraph.length() == 0 ? paragraph.mark() : paragraph.lookBefore(Math.min(from + 1, paragraph.length()));
        return without(without(letters.over(paragraph.look()), OWN), TextProperty.hanging());
    }

    private static Look without(Look look, Set<Property<?>> properties) {
        Look result = look;
        for (Property<?> property : properties) result = result.without(property);
        return result;
    }

    /** The paragraph at the caret in a style that says all this: it does so no more itself. */
    private static Change worn(Draft draft, Selection picked, String style, Look said) {
        Paragraph paragraph = draft.document().paragraph(picked.head().at(0));
        Paragraph made = new Paragraph(style, without(paragraph.look(), said.properties()), unsaid(paragraph.mark(), said),
                paragraph.inlines().stream().map(inline -> inline.with(unsaid(inline.look(), said))).toList());
        if (!made.equals(paragraph)) draft.add(new DressStep(picked.story(), new TreeMap<>(Map.of(picked.head().path(), made))));
        return draft.done(EditKind.STYLE, picked);
    }

    /** A look without what another says in the same way; what differs from it stays. */
    private static Look unsaid(Look look, Look said) {
        Look result = look;
        for (Property<?> property : said.properties()) if (said.get(property).equals(result.get(property))) result = result.without(property);
        return result;
    }

    /** All that wears a style given another of its kind in its place; the style goes, unless lists or the document's plain text hang on it. */
    public static Change replace(Document document, Selection picked, String from, String to) {
        StyleSheet styles = document.styles();
        Style old = styles.style(from);
        if (old == null || styles.style(to) == null || from.equals(to) || old.kind() != styles.style(to).kind())
            throw new IllegalArgumentException("Style " + to + " can't stand in for " + from);
        boolean plain = from.equals(styles.defaultParagraph());
        Draft draft = new Draft(document, picked);
        dress(draft, paragraph -> {
            String style = paragraph.style() == null && plain || from.equals(paragraph.style()) ? to : paragraph.style();
            UnaryOperator<Look> letters = look -> from.equals(look.get(TextProperty.STYLE)) ? look.with(TextProperty.STYLE, to) : look;
            if (old.kind() == Style.Kind.PARAGRAPH) return new Paragraph(style, paragraph.look(), paragraph.mark(), paragraph.inlines());
            return new Paragraph(paragraph.style(), paragraph.look(), letters.apply(paragraph.mark()),
                    paragraph.inlines().stream().map(inline -> inline.with(letters.apply(inline.look()))).toList());
        });
        boolean stays = plain || UsedStyles.inLists(document.numbering()).contains(from);
        if (!stays) draft.add(new StyleStep(rid(styles, from, to), document.numbering()));
        return draft.done(EditKind.STYLE, picked);
    }

    /** A sheet without a style; those made from it are made from what it was made from, those that it follows are followed by the other. */
    private static StyleSheet rid(StyleSheet styles, String from, String to) {
        Map<String, Style> kept = new LinkedHashMap<>();
        for (Style style : styles.styles().values()) {
            if (style.id().equals(from)) continue;
            // What it said is said by its heirs, so that they look as before.
            boolean heir = from.equals(style.parent());
            String next = from.equals(style.next()) ? to : style.next();
            Look look = heir ? style.look().over(styles.style(from).look()) : style.look();
            kept.put(style.id(), new Style(style.id(), style.name(), style.kind(), heir ? styles.style(from).parent() : style.parent(), next, look,
                    style.parts()));
        }
        return new StyleSheet(styles.defaults(), styles.defaultParagraph(), styles.defaultTable(), kept);
    }

    /** Every paragraph of every story dressed by a function that leaves its text alone. */
    static void dress(Draft draft, UnaryOperator<Paragraph> change) {
        for (Story story : Stories.all(draft.document())) {
            SortedMap<BlockPath, Paragraph> dressed = new TreeMap<>();
            for (Walk.Stop stop : Walk.of(draft.document(), story).stops()) {
                Paragraph made = change.apply(stop.paragraph());
                if (!made.equals(stop.paragraph())) dressed.put(stop.path(), made);
            }
            if (!dressed.isEmpty()) draft.add(new DressStep(story, dressed));
        }
    }

    /** How many passages wear each style; those of paragraphs that name none are counted with the plain one. */
    public static Map<String, Integer> wearers(Document document) {
        Map<String, Integer> wearers = new LinkedHashMap<>();
        for (Story story : Stories.all(document)) {
            for (Walk.Stop stop : Walk.of(document, story).stops()) {
                String style = document.styles().style(stop.paragraph().style()) != null ? stop.paragraph().style() : document.styles().defaultParagraph();
                if (style != null) wearers.merge(style, 1, Integer::sum);
                List<Inline> inlines = stop.paragraph().inlines();
                for (Inline inline : inlines) if (inline.look().says(TextProperty.STYLE)) wearers.merge(inline.look().get(TextProperty.STYLE), 1, Integer::sum);
            }
        }
        return wearers;
    }
}
