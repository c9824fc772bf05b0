package app.decant.recover.made;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The styles that a recovered document has, as formats know them.
 *
 * @param id       by which paragraphs name it
 * @param name     as formats store it
 * @param heading  its outline level, 0 for what is no heading
 * @param contents the level of the entries of contents lists that have it, 0 for what is none
 */
record StandardStyle(String id, String name, int heading, int contents) {
    private static final int LEVELS = 9;
    private static final Map<String, StandardStyle> ALL = new LinkedHashMap<>();

    static {
        for (int level = 1; level <= LEVELS; level++) {
            add(new StandardStyle("Heading" + level, "heading " + level, level, 0));
            add(new StandardStyle("TOC" + level, "toc " + level, 0, level));
        }
        for (StandardStyle other : List.of(new StandardStyle("FootnoteText", "footnote text", 0, 0), new StandardStyle("ListParagraph", "List Paragraph", 0, 0),
                new StandardStyle("Header", "header", 0, 0), new StandardStyle("Footer", "footer", 0, 0))) add(other);
    }

    private static void add(StandardStyle style) { ALL.put(style.id, style); }

    /** The style of an id; one that is called as its id where it is none of these. */
    static StandardStyle of(String id) { return ALL.getOrDefault(id, new StandardStyle(id, id, 0, 0)); }

    static StandardStyle ofHeading(int level) { return of("Heading" + Math.max(1, Math.min(LEVELS, level))); }

    static StandardStyle ofContents(int level) { return of("TOC" + Math.max(1, Math.min(LEVELS, level))); }
}
