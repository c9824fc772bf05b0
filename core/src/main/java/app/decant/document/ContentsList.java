package app.decant.document;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Makes contents lists follow the headings. */
public final class ContentsList {
    private ContentsList() { }

    /**
     * The document with the entries of every contents list agreeing with the headings; the same document where nothing had to change.
     * Headings get a bookmark to be led to where they had none. An entry whose heading still reads the same stays as it is.
     */
    public static Document refreshed(Document document) {
        Cascade cascade = Cascade.of(document);
        Outline outline = Outline.of(document, cascade, ListLabels.of(document, cascade));
        Document result = document;
        for (int s = 0; s < document.sections().size(); s++) {
            List<Block> blocks = document.sections().get(s).blocks();
            for (int b = 0; b < blocks.size(); b++) {
                if (!(blocks.get(b) instanceof Contents contents)) continue;
                List<Outline.Heading> listed = outline.headings().stream()
                        .filter(heading -> heading.level() >= contents.fromLevel() && heading.level() <= contents.toLevel()).toList();
                Map<Paragraph, String> marks = new IdentityHashMap<>();
                for (Outline.Heading heading : listed) {
                    String mark = bookmark(heading.paragraph());
                    if (mark == null) {
                        mark = "_Toc" + Integer.toUnsignedString(31 * heading.text().hashCode() + heading.path().hashCode());
                        result = result.replacing(heading.path().parent(), heading.path().last(), heading.path().last() + 1,
                                List.of(marked(heading.paragraph(), mark)));
                    }
                    marks.put(heading.paragraph(), mark);
                }
                List<Paragraph> entries = entries(contents, listed, marks, document.styles());
                if (!entries.equals(contents.entries())) {
                    result = result.replacing(BlockPath.of(s), b, b + 1, List.of(new Contents(contents.fromLevel(), contents.toLevel(), entries)));
                }
            }
        }
        return result;
    }

    /** A contents list for the headings of these levels, empty until {@linkplain #refreshed refreshed}. */
    public static Contents forLevels(int from, int to) { return new Contents(from, to, List.of()); }

    private static List<Paragraph> entries(Contents contents, List<Outline.Heading> headings, Map<Paragraph, String> marks, StyleSheet styles) {
        Map<String, Paragraph> old = new HashMap<>();
        for (Paragraph entry : contents.entries()) {
            String key = target(entry);
            if (key != null) old.putIfAbsent(key, entry);
        }
        List<Paragraph> entries = new ArrayList<>();
        for (Outline.Heading heading : headings) {
            String mark = marks.get(heading.paragraph());
            Paragraph before = old.get(mark);
            String wanted = squeezed(heading.title());
            if (before != null && squeezed(withoutFields(before)).equals(wanted)) {
                entries.add(before);
                continue;
            }
            Look link = Look.of(TextProperty.LINK, new Link.Inside(mark));
            List<Inline> inlines = new ArrayList<>();
            inlines.add(new Inline.Text(heading.title() + Inline.TAB, link));
            inlines.add(new Inline.Field(Inline.Field.Kind.PAGE_REFERENCE, "PAGEREF " + mark + " \\h", "", link));
            entries.add(new Paragraph(entryStyle(styles, heading.level()), before == null ? Look.PLAIN : before.look(), Look.PLAIN, inlines));
        }
        return entries;
    }

    private static String entryStyle(StyleSheet styles, int level) {
        for (Style style : styles.styles().values()) {
            if (style.name().equalsIgnoreCase("toc " + level)) return style.id();
        }
        return "TOC" + level;
    }

    private static String withoutFields(Paragraph entry) {
        StringBuilder text = new StringBuilder();
        for (Inline inline : entry.inlines()) if (inline instanceof Inline.Text run) text.append(run.text());
        return text.toString();
    }

    private static String squeezed(String text) { return text.replaceAll("\\s+", ""); }

    private static String target(Paragraph entry) {
        for (Inline inline : entry.inlines()) {
            if (inline.look().get(TextProperty.LINK) instanceof Link.Inside inside) return inside.bookmark();
            if (inline instanceof Inline.Field field && field.kind() == Inline.Field.Kind.PAGE_REFERENCE) return field.argument();
        }
        return null;
    }

    private static String bookmark(Paragraph heading) {
        String any = null;
        for (Inline inline : heading.inlines()) {
            if (!(inline instanceof Inline.BookmarkPoint point) || !point.start()) continue;
            if (point.name().startsWith("_Toc")) return point.name();
            any = point.name();
        }
        return any;
    }

    private static Paragraph marked(Paragraph heading, String mark) {
        List<Inline> inlines = new ArrayList<>();
        inlines.add(new Inline.BookmarkPoint(mark, true));
        inlines.addAll(heading.inlines());
        inlines.add(new Inline.BookmarkPoint(mark, false));
        return heading.withInlines(inlines);
    }
}
