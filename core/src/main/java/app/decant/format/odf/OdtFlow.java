package app.decant.format.odf;

import app.decant.document.Block;
import app.decant.document.Comment;
import app.decant.document.Contents;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.format.CommentRanges;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Reads text: paragraphs in lists, tables, frames, and where pages of another kind begin. */
final class OdtFlow {
    private final OdtReader reader;
    private final OdtSheet sheet;
    private final boolean inContent;
    private final OdtFrames frames;
    private final OdtTable tables;
    private final List<Stretch> stretches = new ArrayList<>();
    private final Map<String, String> lists = new HashMap<>();
    private final Map<String, String> lastOfStyle = new HashMap<>();
    private List<Block> blocks = new ArrayList<>();
    private String master;
    private Integer number;
    private boolean goesOn;
    private XmlNode columns;
    private final CommentRanges comments = new CommentRanges();
    private final Map<String, Comment> named = new HashMap<>();
    private final Set<String> ranges;
    private final OdtChangeList changes;
    private final Set<OdtChangeList.Region> reading = Collections.newSetFromMap(new IdentityHashMap<>());
    private List<Paragraph> parted = new ArrayList<>();
    private int annotations;
    private final Map<Paragraph, String> entries = new IdentityHashMap<>();
    private String listed;
    /** Drawn things that belong to a page; they hang from its next paragraph. */
    private final List<Inline> hanging = new ArrayList<>();

    OdtFlow(OdtReader reader, boolean inContent) {
        this.reader = reader;
        this.sheet = reader.sheet();
        this.inContent = inContent;
        changes = inContent ? reader.changes() : OdtChangeList.NONE;
        ranges = inContent ? reader.ranges() : Set.of();
        frames = new OdtFrames(reader, inContent, this::inside);
        tables = new OdtTable(sheet, inContent, this::inside);
    }

    OdtFrames frames() { return frames; }

    /** Text on pages of one kind. @param goesOn whether it goes on where the stretch before ended; @param columns of its own, or null */
    record Stretch(List<Block> blocks, String master, Integer number, boolean goesOn, XmlNode columns) { }

    List<Stretch> stretches() { return stretches; }

    private Stretch stretch() { return new Stretch(Contents.grouped(blocks, entries), master, number, goesOn, columns); }

    void body(XmlNode node) {
        blocks(node, null, 0);
        left();
        stretches.add(stretch());
    }

    private void part(String nextMaster, Integer nextNumber, boolean nextGoesOn, XmlNode nextColumns) {
        if (!blocks.isEmpty()) stretches.add(stretch());
        blocks = new ArrayList<>();
        master = nextMaster;
        number = nextNumber;
        goesOn = nextGoesOn && !stretches.isEmpty();
        columns = nextColumns;
    }

    /** A list that text stands in: which, how deep, and whether its item has its label already. */
    private static final class Item {
        final String list;
        final int level;
        boolean labelled;

        Item(String list, int level) {
            this.list = list;
            this.level = level;
        }
    }

    private void blocks(XmlNode parent, Item item, int depth) {
        for (XmlNode node : parent.children()) {
            reader.step();
            switch (node.name()) {
                case "text:p", "text:h" -> {
                    // A page of another kind may begin with it, and blocks anew.
                    List<Paragraph> outside = parted;
                    parted = new ArrayList<>();
                    Paragraph paragraph = paragraph(node, item);
                    blocks.addAll(parted);
                    blocks.add(paragraph);
                    if (listed != null) entries.put(paragraph, listed);
                    parted = outside;
                }
                case "text:change-start", "text:change-end" -> changes.mark(node);
                case "text:change" -> {
                    OdtChangeList.Region region = changes.region(node);
                    if (region != null && reading.add(region)) {
                        for (XmlNode part : region.content()) {
                            Paragraph gone = dressed(part, null);
                            List<Inline> inlines = new ArrayList<>();
                            inlines(part, gone.mark(), inlines);
                            blocks.add(region.on(gone.withInlines(inlines)));
                        }
                        reading.remove(region);
                    }
                }
                case "text:list" -> list(node, item == null ? null : item.list, item == null ? 0 : item.level + 1, depth);
                case "text:section" -> section(node, item, depth);
                case "table:table" -> {
                    XmlNode style = sheet.automatic("table", node.get("table:style-name"), inContent);
                    if (inContent && style != null && style.get("style:master-page-name") != null && !style.get("style:master-page-name").isEmpty())
                        part(style.get("style:master-page-name"), null, false, null);
                    Table table = tables.table(node);
                    blocks.add(table);
                }
                case "text:table-of-content", "text:illustration-index", "text:table-index", "text:user-index", "text:alphabetical-index",
                        "text:bibliography" -> index(node, item, depth);
                case "text:index-title" -> blocks(node, item, depth);
                default -> {
                    if (node.name().startsWith("draw:")) hanging.addAll(frames.floating(node, Look.PLAIN));
                }
            }
        }
    }

    /** What hangs from pages and no paragraph came after. */
    private void left() {
        if (!hanging.isEmpty()) blocks.add(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.copyOf(hanging)));
        hanging.clear();
    }

    private void section(XmlNode node, Item item, int depth) {
        XmlNode style = sheet.automatic("section", node.get("text:style-name"), inContent);
        XmlNode own = style == null || style.child("style:section-properties") == null ? null : style.child("style:section-properties").child("style:columns");
        boolean parted = own != null && !own.get("fo:column-count", "1").matches("[01]");
        if ("none".equals(node.get("text:display"))) return;
        if (parted) part(master, null, true, own);
        blocks(node, item, depth);
        if (parted) part(master, null, true, null);
    }

    private void list(XmlNode node, String outer, int level, int depth) {
        if (depth > 30) return;
        String style = node.get("text:style-name");
        String list = outer;
        if (style != null || outer == null) {
            String again = node.get("text:continue-list") != null ? lists.get(node.get("text:continue-list"))
                    : "true".equals(node.get("text:continue-numbering")) && style != null ? lastOfStyle.get(style) : null;
            if (style == null) list = null;
            else list = sheet.list(style, again);
        }
        if (node.get("xml:id") != null && list != null) lists.put(node.get("xml:id"), list);
        if (style != null && list != null) lastOfStyle.put(style, list);
        for (XmlNode entry : node.children()) {
            if (!entry.is("text:list-item") && !entry.is("text:list-header")) continue;
            String start = entry.get("text:start-value", "");
            if (list != null && start.matches("\\d{1,6}")) list = sheet.startingAt(list, Math.min(8, level), Integer.parseInt(start));
            Item item = new Item(list, Math.min(8, level));
            item.labelled = entry.is("text:list-header");
            blocks(entry, item, depth + 1);
        }
    }

    /** A list of headings (8.3) or of what bears captions (8.4, 8.5); others are text like any other. */
    private void index(XmlNode node, Item item, int depth) {
        XmlNode body = node.child("text:index-body");
        String outside = listed;
        listed = node.is("text:table-of-content") ? headings(node) : captions(node);
        int before = entries.size();
        if (body != null) blocks(body, listed == null ? item : null, depth);
        // One that was never filled stays a list to be filled.
        if (listed != null && entries.size() == before) blocks.add(Contents.of(listed, List.of()));
        listed = outside;
    }

    private static String headings(XmlNode node) {
        XmlNode source = node.child("text:table-of-content-source");
        String level = source == null ? "3" : source.get("text:outline-level", "3");
        return new Contents(1, level.matches("[1-9]") ? Integer.parseInt(level) : 3, List.of()).field();
    }

    /** Null where objects are listed by their names. */
    private static String captions(XmlNode node) {
        XmlNode source = node.child(node.name() + "-source");
        String sequence = source == null || source.get("text:use-caption", "true").equals("false") ? null : source.get("text:caption-sequence-name");
        return sequence == null || sequence.isBlank() ? null : Contents.ofCaptions(sequence).field();
    }

    private Paragraph paragraph(XmlNode node, Item item) {
        String name = node.get("text:style-name");
        XmlNode own = sheet.automatic("paragraph", name, inContent);
        if (inContent && own != null && own.get("style:master-page-name") != null && !own.get("style:master-page-name").isEmpty()) {
            XmlNode properties = own.child("style:paragraph-properties");
            String told = properties == null ? "" : properties.get("style:page-number", "");
            if (blocks.isEmpty() && stretches.isEmpty() || sheet.master(own.get("style:master-page-name")) != null)
                part(own.get("style:master-page-name"), told.matches("\\d{1,6}") && !told.equals("0") ? (Integer) Integer.parseInt(told) : null, false, null);
        }
        Paragraph dressed = dressed(node, item);
        List<Inline> inlines = new ArrayList<>();
        inlines.addAll(hanging);
        hanging.clear();
        inlines(node, dressed.mark(), inlines);
        String before = own == null || own.child("style:paragraph-properties") == null ? "" : own.child("style:paragraph-properties")
                .get("fo:break-before", "");
        if (before.equals("column")) inlines.add(0, new Inline.Text(String.valueOf(Inline.COLUMN_BREAK), dressed.mark()));
        Look end = endMark(dressed.mark(), inlines);
        Look mark = changes.open() == null ? end : end.with(TextProperty.TRACKED, changes.open());
        return comments.ended(dressed.withMark(mark).withInlines(inlines));
    }

    /** OpenDocument knows no end marks: a line is as high as what stands on it, and one without text as high as the paragraph says. */
    private static Look endMark(Look paragraph, List<Inline> inlines) {
        for (int i = inlines.size() - 1; i >= 0; i--) {
            if (inlines.get(i) instanceof Inline.Text text && text.length() > 0) {
                Look mark = text.look();
                for (Property<?> property : TextProperty.hanging()) mark = mark.without(property);
                return mark;
            }
        }
        return paragraph;
    }

    /** A paragraph without its text. */
    private Paragraph dressed(XmlNode node, Item item) {
        String name = node.get("text:style-name");
        String style = sheet.id("paragraph", sheet.named("paragraph", name, inContent));
        Look all = sheet.own("paragraph", name, inContent);
        Look look = Look.PLAIN;
        Look text = Look.PLAIN;
        for (var property : all.properties()) {
            if (TEXT.contains(property)) text = put(text, property, all);
            else look = put(look, property, all);
        }
        String level = node.get("text:outline-level", "");
        if (node.is("text:h") && level.matches("[1-9]")) {
            var styles = sheet.styles().chain(style);
            if (styles.get(ParagraphProperty.OUTLINE_LEVEL) == null || styles.get(ParagraphProperty.OUTLINE_LEVEL) != Integer.parseInt(level))
                look = look.with(ParagraphProperty.OUTLINE_LEVEL, Integer.parseInt(level));
            String outline = item == null ? sheet.outlineList(Integer.parseInt(level)) : null;
            if (outline != null) look = look.with(ParagraphProperty.LIST, new ParagraphProperty.ListReference(outline, Integer.parseInt(level) - 1));
        }
        if (item != null && item.list != null && !item.labelled)
            look = look.with(ParagraphProperty.LIST, new ParagraphProperty.ListReference(item.list, item.level));
        if (item != null) item.labelled = true;
        return new Paragraph(style, look, text, List.of());
    }

    private static final Set<Property<?>> TEXT = Set.of(TextProperty.FAMILY, TextProperty.SIZE, TextProperty.BOLD,
            TextProperty.ITALIC, TextProperty.UNDERLINE, TextProperty.STRIKE, TextProperty.DOUBLE_STRIKE, TextProperty.SMALL_CAPITALS,
            TextProperty.CAPITALS, TextProperty.HIDDEN, TextProperty.COLOUR, TextProperty.HIGHLIGHT, TextProperty.SCRIPT, TextProperty.LETTER_SPACING,
                    TextProperty.RAISE, TextProperty.WIDTH_SCALE, TextProperty.LANGUAGE);

    private static <T> Look put(Look look, Property<T> property, Look from) { return look.with(property, from.get(property)); }

    private void inlines(XmlNode node, Look look, List<Inline> inlines) {
        for (Object one : node.content()) {
            if (one instanceof String text) text(text, look, inlines);
            else element((XmlNode) one, look, inlines);
        }
    }

    /** Spaces and line ends of the file count as one space, and as none at the start or behind another (6.1.2). */
    private void text(String text, Look look, List<Inline> inlines) {
        String plain = collapsed(text);
        if (plain.startsWith(" ") && endsInSpace(inlines)) plain = plain.substring(1);
        if (!plain.isEmpty()) add(inlines, new Inline.Text(plain, look));
    }

    private static String collapsed(String text) {
        boolean even = true;
        for (int i = 0; i < text.length() && even; i++) even = text.charAt(i) >= ' ' && (text.charAt(i) != ' ' || i == 0 || text.charAt(i - 1) != ' ');
        if (even) return text;
        StringBuilder plain = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean space = c == ' ' || c == '\t' || c == '\r' || c == '\n';
            if (!space) plain.append(c);
            else if (plain.isEmpty() || plain.charAt(plain.length() - 1) != ' ') plain.append(' ');
        }
        return plain.toString();
    }

    private static boolean endsInSpace(List<Inline> inlines) {
        for (int i = inlines.size() - 1; i >= 0; i--) {
            if (inlines.get(i).length() == 0) continue;
            return inlines.get(i) instanceof Inline.Text text && text.text().endsWith(" ");
        }
        return true;
    }

    private void element(XmlNode node, Look look, List<Inline> inlines) {
        switch (node.name()) {
            case "text:span" -> {
                String name = node.get("text:style-name");
                Look own = sheet.own("text", name, inContent);
                String style = sheet.id("text", sheet.named("text", name, inContent));
                if (style != null) own = own.with(TextProperty.STYLE, style);
                inlines(node, own.over(look), inlines);
            }
            case "text:a" -> {
                String target = node.get("xlink:href", "");
                Link link = target.startsWith("#") ? new Link.Inside(target.substring(1).replaceFirst("\\|(region|frame|table)$", ""))
                        : target.isBlank() ? null : new Link.Address(target);
                inlines(node, link == null ? look : look.with(TextProperty.LINK, link), inlines);
            }
            case "text:s" -> {
                String count = node.get("text:c", "1");
                add(inlines, new Inline.Text(" ".repeat(count.matches("\\d{1,4}") ? Integer.parseInt(count) : 1), look));
            }
            case "text:tab" -> add(inlines, new Inline.Text(String.valueOf(Inline.TAB), look));
            case "text:line-break" -> add(inlines, new Inline.Text(String.valueOf(Inline.LINE_BREAK), look));
            case "text:bookmark" -> {
                add(inlines, new Inline.BookmarkPoint(node.get("text:name", ""), true));
                add(inlines, new Inline.BookmarkPoint(node.get("text:name", ""), false));
            }
            case "text:bookmark-start", "text:reference-mark-start" -> add(inlines, new Inline.BookmarkPoint(node.get("text:name", ""), true));
            case "text:bookmark-end", "text:reference-mark-end" -> add(inlines, new Inline.BookmarkPoint(node.get("text:name", ""), false));
            case "text:note" -> note(node, look, inlines);
            case "text:text-input", "text:drop-down" -> add(inlines, reader.forms().written(node, look));
            case "text:soft-page-break", "text:tracked-changes" -> { }
            case "text:change-start", "text:change-end" -> changes.mark(node);
            case "text:change" -> takenOut(node, inlines);
            case "office:annotation" -> annotation(node, inlines);
            case "office:annotation-end" -> comments.end(named.get(node.get("office:name", "")));
            case "text:page-number" -> field(Inline.Field.Kind.PAGE, "PAGE", node, look, inlines);
            case "text:page-count" -> field(Inline.Field.Kind.PAGES, "NUMPAGES", node, look, inlines);
            case "text:date" -> field(Inline.Field.Kind.DATE, "DATE", node, look, inlines);
            case "text:time" -> field(Inline.Field.Kind.TIME, "TIME", node, look, inlines);
            case "text:title" -> field(Inline.Field.Kind.TITLE, "TITLE", node, look, inlines);
            case "text:initial-creator", "text:creator", "text:author-name" -> field(Inline.Field.Kind.AUTHOR, "AUTHOR", node, look, inlines);
            case "text:file-name" -> field(Inline.Field.Kind.FILE_NAME, "FILENAME", node, look, inlines);
            case "text:bookmark-ref", "text:reference-ref" -> {
                boolean page = "page".equals(node.get("text:reference-format"));
                field(page ? Inline.Field.Kind.PAGE_REFERENCE : Inline.Field.Kind.REFERENCE, (page ? "PAGEREF " : "REF ") + node.get("text:ref-name", ""),
                        node, look, inlines);
            }
            case "text:ruby-text" -> {
                add(inlines, new Inline.Text("(" + node.text() + ")", look));
                reader.find(Finding.changed(Message.of("odf.small-words-above-others-are-set")));
            }
            default -> {
                if (node.name().startsWith("draw:") && !node.is("draw:a")) for (Inline floating : frames.floating(node, look)) add(inlines, floating);
                else inlines(node, look, inlines);
            }
        }
    }

    private void field(Inline.Field.Kind kind, String instruction, XmlNode node, Look look, List<Inline> inlines) {
        add(inlines, new Inline.Field(kind, instruction, node.text(), look));
    }

    /** Adds something as it stands here: put in by somebody, remarked on. */
    private void add(List<Inline> inlines, Inline inline) {
        Look look = inline.look();
        if (changes.open() != null) look = look.with(TextProperty.TRACKED, changes.open());
        inlines.add(inline.with(comments.on(look)));
    }

    /** What was taken out here; where ends of paragraphs went, the paragraph that is read is parted as it was. */
    private void takenOut(XmlNode node, List<Inline> inlines) {
        OdtChangeList.Region region = changes.region(node);
        // What was taken out within itself is there no more.
        if (region == null || region.content().isEmpty() || !reading.add(region)) return;
        for (int i = 0; i < region.content().size(); i++) {
            XmlNode part = region.content().get(i);
            List<Inline> gone = new ArrayList<>();
            Paragraph like = dressed(part, null);
            inlines(part, like.mark(), gone);
            for (Inline inline : gone) inlines.add(inline.with(inline.look().with(TextProperty.TRACKED, region.change())));
            if (i + 1 == region.content().size()) break;
            parted.add(like.withMark(like.mark().with(TextProperty.TRACKED, region.change())).withInlines(inlines));
            inlines.clear();
        }
        reading.remove(region);
    }

    private void annotation(XmlNode node, List<Inline> inlines) {
        StringBuilder text = new StringBuilder();
        for (XmlNode child : node.children()) if (child.is("text:p") || child.is("text:list")) text.append(child.text()).append('\n');
        Comment comment = Comment.of(++annotations, new Comment.Remark(OdtChangeList.text(node, "dc:creator"), OdtChangeList.time(node), text.toString()));
        String name = node.get("office:name");
        if (name == null || !ranges.contains(name)) {
            comments.mark(comment, inlines);
            return;
        }
        named.put(name, comment);
        comments.begin(comment);
    }

    /** The blocks of a note, a box or a cell. */
    private List<Block> inside(XmlNode node) {
        List<Block> outside = blocks;
        String around = listed;
        List<Inline> hangingOutside = List.copyOf(hanging);
        hanging.clear();
        blocks = new ArrayList<>();
        listed = null;
        blocks(node, null, 0);
        left();
        List<Block> inside = blocks;
        blocks = outside;
        hanging.addAll(hangingOutside);
        listed = around;
        return Contents.grouped(inside, entries);
    }

    private void note(XmlNode node, Look look, List<Inline> inlines) {
        boolean foot = !"endnote".equals(node.get("text:note-class"));
        XmlNode citation = node.child("text:note-citation");
        List<Block> inside = node.child("text:note-body") == null ? new ArrayList<>() : inside(node.child("text:note-body"));
        // The mark inside the note is not written here; pages need it.
        if (!inside.isEmpty() && inside.get(0) instanceof Paragraph first) {
            List<Inline> marked = new ArrayList<>(List.of(new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "",
                    Look.of(TextProperty.SCRIPT, TextProperty.Script.SUPER))));
            boolean spaced = first.text().startsWith(" ");
            if (!spaced) marked.add(new Inline.Text(" ", Look.PLAIN));
            marked.addAll(first.inlines());
            inside.set(0, first.withInlines(marked));
        }
        add(inlines, new Inline.Note(foot ? Inline.Note.Kind.FOOTNOTE : Inline.Note.Kind.ENDNOTE, inside, citation == null ? null
                : citation.get("text:label"), look.with(TextProperty.SCRIPT, TextProperty.Script.SUPER)));
    }
}
