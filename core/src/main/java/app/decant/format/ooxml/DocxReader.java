package app.decant.format.ooxml;

import app.decant.document.Block;
import app.decant.document.Comment;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.FontFile;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Numbering;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.StyleSheet;
import app.decant.format.AutomaticSpace;
import app.decant.format.OfficePackage;
import app.decant.format.PartedWords;
import app.decant.format.Taken;
import app.decant.words.Message;
import app.decant.xml.XmlNames;
import app.decant.xml.Entities;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.slf4j.LoggerFactory;

/** Reads a text document of Office Open XML (ISO/IEC 29500-1, 17). Made for one file and thrown away. */
public final class DocxReader {
    /** Parts that are given back whole, by the role through which the document points at them. */
    private static final Set<String> KEPT_ROLES = Set.of("theme", "fontTable", "webSettings", "customXml", "settings", "glossaryDocument");

    private final OfficePackage container;
    private final Progress progress;
    private int most = Integer.MAX_VALUE;
    private final Set<Finding> findings = new LinkedHashSet<>();
    private final Map<String, Image> images = new HashMap<>();
    private final Map<String, Opaque.Part> kept = new LinkedHashMap<>();
    private final Map<String, List<Block>> frames = new HashMap<>();
    private final Map<Inline.Note.Kind, Map<String, XmlNode>> notes = new HashMap<>();
    private final Map<Inline.Note.Kind, StoryReader> noteStories = new HashMap<>();
    private Map<String, Comment> comments = Map.of();
    private final Set<Comment> placed = new HashSet<>();
    private int forms;
    private LookReader looks = new LookReader(Map.of(), false);
    private XmlNode settings;
    private DrawingColours colours = new DrawingColours(null);

    /** Ends reading where no more is wanted. */
    private static final class Enough extends RuntimeException {
        private static final long serialVersionUID = 1;

        Enough() { super(null, null, false, false); }
    }

    private DocxReader(byte[] file, Progress progress) {
        this.container = new OfficePackage(file);
        this.progress = progress;
    }

    /**
     * Reads a whole file.
     *
     * @throws DecantException where the file is damaged or reading is cancelled
     */
    public static Taken read(byte[] file, boolean macros, Progress progress) { return new DocxReader(file, progress).read(macros); }

    /**
     * Reads the first blocks of a file, in pages as their section has them.
     *
     * @throws DecantException where the file is damaged
     */
    static Document beginning(byte[] file, int blocks) {
        DocxReader reader = new DocxReader(file, Progress.SILENT);
        reader.most = blocks;
        return reader.read(false).document();
    }

    OfficePackage container() { return container; }
    LookReader looks() { return looks; }
    DrawingColours colours() { return colours; }
    /** The settings of the document, or null. */
    XmlNode settings() { return settings; }
    void find(Finding finding) { findings.add(finding); }
    void findOnce(Finding finding) { findings.add(finding); }

    private Taken read(boolean macros) {
        String main = container.target("", "officeDocument");
        if (main == null || container.part(main) == null) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("ooxml.the-file-is-damaged-it-names"));
        }
        colours = new DrawingColours(tree(main, "theme"));
        settings = tree(main, "settings");
        boolean parts = settings != null && Boolean.TRUE.equals(Units.flag(settings, "w:autoHyphenation"));
        looks = new LookReader(themeFonts(main), parts);
        StyleSheet styles = tree(main, "styles") == null ? StyleSheet.EMPTY : StylesPart.read(tree(main, "styles"), looks);
        if (parts) styles = PartedWords.parted(styles, Units.whole(settings.child("w:consecutiveHyphenLimit"), "w:val"),
                Units.twips(settings.child("w:hyphenationZone"), "w:val"));
        Numbering numbering = tree(main, "numbering") == null ? Numbering.NONE : NumberingPart.read(tree(main, "numbering"), looks);
        readNotes(main, "footnotes", "w:footnote", Inline.Note.Kind.FOOTNOTE);
        readNotes(main, "endnotes", "w:endnote", Inline.Note.Kind.ENDNOTE);
        XmlNode remarks = tree(main, "comments");
        if (remarks != null) comments = CommentsPart.read(remarks, tree(main, "commentsExtended"), this::findOnce);
        boolean evenAndOdd = settings != null && Boolean.TRUE.equals(Units.flag(settings, "w:evenAndOddHeaders"));
        Double tab = settings == null ? null : Units.twips(settings.child("w:defaultTabStop"), "w:val");
        List<Section> sections = body(main);
        long astray = comments.values().stream().distinct().filter(comment -> !placed.contains(comment)).count();
        if (astray > 0) find(Finding.lost(Message.of("format.comments-stand-nowhere", astray)));
        List<FontFile> fonts = FontParts.read(container, container.target(main, "fontTable"), this::findOnce);
        keep(main, fonts.isEmpty());
        if (macros || container.target(main, "vbaProject") != null)
            find(Finding.lost(Message.of("ooxml.the-macros-in-the-file-were-left")));
        Document document = new Document(facts(main), styles, numbering, sections, evenAndOdd, tab == null ? Document.TAB_WIDTH : tab,
                new ArrayList<>(kept.values()), fonts);
        return new Taken(AutomaticSpace.between(document), new ArrayList<>(findings));
    }

    private XmlNode tree(String main, String role) {
        String name = container.target(main, role);
        byte[] part = name == null ? null : container.part(name);
        return part == null ? null : XmlReader.tree(part, name);
    }

    private List<Section> body(String main) {
        StoryReader story = new StoryReader(this, main);
        if (Entities.areIn(container.part(main))) find(Finding.lost(Message.of("xml.entities-are-left-out")));
        List<Section> sections = new ArrayList<>();
        List<Block> blocks = new ArrayList<>();
        int[] count = new int[1];
        int[] done = new int[1];
        boolean[] enough = new boolean[1];
        XmlNode[] background = new XmlNode[1];
        Set<String> wanted = Set.of("w:p", "w:tbl", "w:sdt", "w:sectPr", "w:customXml", "w:ins", "w:altChunk", "w:commentRangeStart", "w:commentRangeEnd",
                "w:bookmarkStart", "w:bookmarkEnd", "w:background", "mc:AlternateContent");
        Consumer<XmlNode> ends = section -> {
            if (blocks.isEmpty()) blocks.add(Paragraph.of(""));
            sections.add(story.section(section).withBlocks(blocks));
            done[0] += blocks.size();
            blocks.clear();
        };
        try {
            // The section of the last blocks is told behind all that is in it.
            XmlReader.stream(container.part(main), main, name -> enough[0] ? name.equals("w:sectPr") : wanted.contains(name), node -> {
                if (count[0]++ % 200 == 0) progress.step(count[0], 0, Message.of("step.reading"));
                if (enough[0]) {
                    story.endContents(blocks);
                    ends.accept(node);
                    throw new Enough();
                }
                if (node.is("w:background")) background[0] = node;
                story.block(node, blocks, ends);
                enough[0] = done[0] + blocks.size() >= most;
            });
        } catch (Enough e) {
            LoggerFactory.getLogger(DocxReader.class).debug("{} blocks read, as many as were asked for", done[0]);
        }
        story.endContents(blocks);
        List<Block> last = blocks.isEmpty() && !sections.isEmpty() ? new ArrayList<>(sections.get(sections.size() - 1).blocks()) : blocks;
        story.endBookmarks(last);
        if (last != blocks) sections.set(sections.size() - 1, sections.get(sections.size() - 1).withBlocks(last));
        if (!blocks.isEmpty() || sections.isEmpty()) {
            if (blocks.isEmpty()) blocks.add(Paragraph.of(""));
            sections.add(story.section(null).withBlocks(blocks));
        }
        if (background[0] != null) sections.set(0, onBackground(sections.get(0), background[0]));
        return sections;
    }

    /** 17.2.1: the colour of the screen behind all pages; one that is a picture is left out. */
    private Section onBackground(Section section, XmlNode background) {
        boolean[] points = new boolean[1];
        background.attributesIn(XmlNames.R, id -> points[0] = true);
        if (points[0]) {
            find(Finding.lost(Message.of("ooxml.a-picture-behind-all-pages")));
            return section;
        }
        List<String> kept = new ArrayList<>(section.kept());
        kept.add(background.markup());
        return new Section(section.start(), section.page(), section.columns(), section.numbering(), section.frames(), section.firstPageDiffers(),
                section.blocks(), kept, section.dress());
    }

    private void readNotes(String main, String role, String element, Inline.Note.Kind kind) {
        String name = container.target(main, role);
        if (name == null || container.part(name) == null) return;
        Map<String, XmlNode> byId = new HashMap<>();
        for (XmlNode node : XmlReader.tree(container.part(name), name).children(element)) {
            String type = node.get("w:type", "normal");
            if (type.equals("normal")) byId.put(node.get("w:id", ""), node);
        }
        notes.put(kind, byId);
        noteStories.put(kind, new StoryReader(this, name));
    }

    int nextForm() { return ++forms; }

    /** The comment that an element speaks of, or null. */
    Comment comment(XmlNode node) {
        Comment comment = comments.get(node.get("w:id", ""));
        if (comment != null) placed.add(comment);
        return comment;
    }

    /** The blocks of a note, or null where the file has none of this number. */
    List<Block> note(Inline.Note.Kind kind, String id) {
        XmlNode node = notes.getOrDefault(kind, Map.of()).get(id);
        return node == null ? null : noteStories.get(kind).inner(node);
    }

    /** The blocks of a header or footer part. */
    List<Block> frame(String name) {
        byte[] part = container.part(name);
        if (part == null) return null;
        return frames.computeIfAbsent(name, key -> new StoryReader(this, name).inner(XmlReader.tree(part, name)));
    }

    Image image(String name) {
        byte[] bytes = container.part(name);
        if (bytes == null) return null;
        return images.computeIfAbsent(name, key -> new Image(container.type(name), bytes));
    }

    private Map<String, String> themeFonts(String main) {
        XmlNode theme = tree(main, "theme");
        XmlNode scheme = theme == null ? null : theme.at("a:themeElements", "a:fontScheme");
        Map<String, String> fonts = new HashMap<>();
        if (scheme == null) return fonts;
        for (String[] slot : new String[][] {{"a:majorFont", "major"}, {"a:minorFont", "minor"}}) {
            XmlNode font = scheme.child(slot[0]);
            if (font == null) continue;
            put(fonts, slot[1] + "HAnsi", font.child("a:latin"));
            put(fonts, slot[1] + "Ascii", font.child("a:latin"));
            put(fonts, slot[1] + "EastAsia", font.child("a:ea"));
            put(fonts, slot[1] + "Bidi", font.child("a:cs"));
        }
        return fonts;
    }

    private static void put(Map<String, String> fonts, String slot, XmlNode node) {
        if (node != null && !node.get("typeface", "").isEmpty()) fonts.put(slot, node.get("typeface"));
    }

    /** @param fontTable whether the table of fonts is kept as it is */
    private void keep(String main, boolean fontTable) {
        for (OfficePackage.Relation relation : container.relations(main).values()) {
            String role = relation.role().substring(relation.role().lastIndexOf('/') + 1);
            if (relation.outside() || !KEPT_ROLES.contains(role) || container.part(relation.target()) == null || role.equals("fontTable") && !fontTable)
                continue;
            keepPart(relation.target(), relation.role());
            keepWhatItPointsAt(relation.target());
        }
        for (OfficePackage.Relation relation : container.relations("").values()) {
            if (relation.is("custom-properties") && container.part(relation.target()) != null) keepPart(relation.target(), "package:" + relation.role());
        }
    }

    /** Keeps the parts that a kept part points at, by their own names, with the relations themselves. */
    void keepWhatItPointsAt(String name) {
        int slash = name.lastIndexOf('/');
        String relations = name.substring(0, slash + 1) + "_rels/" + name.substring(slash + 1) + ".rels";
        if (container.part(relations) == null || kept.containsKey(relations)) return;
        kept.put(relations, new Opaque.Part(relations, "application/vnd.openxmlformats-package.relationships+xml", null, container.part(relations)));
        for (OfficePackage.Relation relation : container.relations(name).values()) {
            if (relation.outside() || container.part(relation.target()) == null || kept.containsKey(relation.target())) continue;
            keepPart(relation.target(), null);
            keepWhatItPointsAt(relation.target());
        }
    }

    private void keepPart(String name, String role) { kept.putIfAbsent(name, new Opaque.Part(name, container.type(name), role, container.part(name))); }

    private Facts facts(String main) {
        String core = container.target("", "core-properties");
        String extended = container.target("", "extended-properties");
        Map<String, String> others = new TreeMap<>();
        if (extended != null && container.part(extended) != null) {
            for (XmlNode node : XmlReader.tree(container.part(extended), extended).children()) {
                String name = node.name().replace("ep:", "");
                if (Set.of("Application", "Company", "Manager", "Pages", "Template").contains(name) && !node.text().isBlank()) others.put(name, node.text());
            }
        }
        if (core == null || container.part(core) == null) return new Facts(null, null, null, null, null, null, null, others);
        XmlNode root = XmlReader.tree(container.part(core), core);
        return new Facts(text(root, "dc:title"), text(root, "dc:subject"), text(root, "dc:creator"), text(root, "cp:keywords"), text(root, "dc:language"),
                TrackedMarkup.time(text(root, "dcterms:created")), TrackedMarkup.time(text(root, "dcterms:modified")), others);
    }

    private static String text(XmlNode root, String name) {
        XmlNode node = root.child(name);
        return node == null || node.text().isBlank() ? null : node.text().trim();
    }
}
