package app.decant.document;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/** Makes lists of headings follow these. */
public final class ContentsList {
    private final Document document;
    private final Outline outline;
    private final Map<BlockPath, Outline.Heading> marked = new TreeMap<>();

    private ContentsList(Document document) {
        this.document = document;
        outline = outline(document);
    }

    /**
     * The document with the entries of every list of headings agreeing with these; the same document where nothing had to change.
     * Headings get a bookmark to be led to where they had none. An entry whose heading still reads the same stays as it is.
     */
    public static Document refreshed(Document document) { return holdsList(document) ? new ContentsList(document).followed(null, null) : document; }

    /**
     * The document after an edit, with the entries of its lists of headings changed along. A list that did not agree with the headings before, as one
     * does that leaves some out, is changed only where the edit changed headings: nothing else comes or goes.
     *
     * @param came the headings before, where they are known; else null
     */
    public static Document following(Document before, Outline came, Document after) {
        return holdsList(after) ? new ContentsList(after).followed(before, came) : after;
    }

    /** A contents list for the headings of these levels, empty until {@linkplain #refreshed refreshed}. */
    public static Contents forLevels(int from, int to) { return new Contents(from, to, List.of()); }

    private static boolean holdsList(Document document) { return !lists(document).isEmpty(); }

    private static List<Contents> lists(Document document) {
        List<Contents> lists = new ArrayList<>();
        for (Section section : document.sections())
            for (Block block : section.blocks()) if (block instanceof Contents list && list.listsHeadings()) lists.add(list);
        return lists;
    }

    private static Outline outline(Document document) {
        Cascade cascade = Cascade.of(document);
        return Outline.of(document, cascade, ListLabels.of(document, cascade));
    }

    private Document followed(Document before, Outline came) {
        List<Outline.Heading> were = before == null ? null : (came == null ? outline(before) : came).headings();
        List<Contents> lists = before == null ? List.of() : lists(before);
        boolean paired = lists.size() == lists(document).size();
        int count = 0;
        Document result = document;
        for (int s = 0; s < document.sections().size(); s++) {
            List<Block> blocks = document.sections().get(s).blocks();
            for (int b = 0; b < blocks.size(); b++) {
                if (!(blocks.get(b) instanceof Contents contents) || !contents.listsHeadings()) continue;
                Contents old = paired ? lists.get(count++) : contents;
                boolean whole = were == null || contents.entries().isEmpty() || agrees(old, were, before.styles());
                List<Paragraph> entries = whole ? whole(contents)
                        : new EntryChanges(contents, were, outline.headings(), document.styles(), this::mark).entries();
                if (!entries.equals(contents.entries())) result = result.replacing(BlockPath.of(s), b, b + 1, List.of(contents.withEntries(entries)));
            }
        }
        for (Map.Entry<BlockPath, Outline.Heading> one : marked.entrySet()) {
            BlockPath path = one.getKey();
            result = result.replacing(path.parent(), path.last(), path.last() + 1, List.of(marked(one.getValue().paragraph(), freshMark(one.getValue()))));
        }
        return result;
    }

    private static boolean agrees(Contents contents, List<Outline.Heading> headings, StyleSheet styles) {
        Map<Paragraph, String> marks = new IdentityHashMap<>();
        for (Outline.Heading heading : listed(contents, headings)) {
            String mark = bookmark(heading.paragraph());
            if (mark == null) return false;
            marks.put(heading.paragraph(), mark);
        }
        return entries(contents, listed(contents, headings), marks, styles).equals(contents.entries());
    }

    private static List<Outline.Heading> listed(Contents contents, List<Outline.Heading> headings) {
        return headings.stream().filter(heading -> isListed(contents, heading)).toList();
    }

    static boolean isListed(Contents contents, Outline.Heading heading) {
        return heading.level() >= contents.fromLevel() && heading.level() <= contents.toLevel();
    }

    private List<Paragraph> whole(Contents contents) {
        List<Outline.Heading> listed = listed(contents, outline.headings());
        Map<Paragraph, String> marks = new IdentityHashMap<>();
        for (Outline.Heading heading : listed) marks.put(heading.paragraph(), mark(heading));
        return entries(contents, listed, marks, document.styles());
    }

    /** The bookmark that leads to a heading, which gets one where it has none. */
    private String mark(Outline.Heading heading) {
        String mark = bookmark(heading.paragraph());
        if (mark != null) return mark;
        marked.put(heading.path(), heading);
        return freshMark(heading);
    }

    private static String freshMark(Outline.Heading heading) {
        return "_Toc" + Integer.toUnsignedString(31 * heading.text().hashCode() + heading.path().hashCode());
    }

    private static List<Paragraph> entries(Contents contents, List<Outline.Heading> headings, Map<Paragraph, String> marks, StyleSheet styles) {
        Map<String, Paragraph> old = new HashMap<>();
        for (Paragraph entry : contents.entries()) {
            String key = ContentsEntryText.target(entry);
            if (key != null) old.putIfAbsent(key, entry);
        }
        List<Paragraph> entries = new ArrayList<>();
        Set<String> done = new HashSet<>();
        for (Outline.Heading heading : headings) {
            String mark = marks.get(heading.paragraph());
            Paragraph before = done.add(mark) ? old.get(mark) : null;
            if (before != null && ContentsEntryText.isWhole(before)) entries.add(ContentsEntryText.retitled(before, heading));
            else entries.add(entry(heading, mark, styles).withLook(before == null ? Look.PLAIN : before.look()));
        }
        return entries;
    }

    static Paragraph entry(Outline.Heading heading, String mark, StyleSheet styles) {
        Look link = Look.of(TextProperty.LINK, new Link.Inside(mark));
        List<Inline> inlines = new ArrayList<>();
        inlines.add(new Inline.Text(heading.title() + Inline.TAB, link));
        inlines.add(new Inline.Field(Inline.Field.Kind.PAGE_REFERENCE, "PAGEREF " + mark + " \\h", "", link));
        return new Paragraph(entryStyle(styles, heading.level()), Look.PLAIN, Look.PLAIN, inlines);
    }

    static String entryStyle(StyleSheet styles, int level) {
        for (Style style : styles.styles().values()) {
            if (style.name().equalsIgnoreCase("toc " + level)) return style.id();
        }
        return "TOC" + level;
    }

    static String bookmark(Paragraph heading) {
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
