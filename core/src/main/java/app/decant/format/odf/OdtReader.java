package app.decant.format.odf;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.PageDress;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.format.Archive;
import app.decant.format.OpenDocumentLock;
import app.decant.format.PartedWords;
import app.decant.format.Taken;
import app.decant.words.Message;
import app.decant.xml.Entities;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.slf4j.LoggerFactory;

/** Reads OpenDocument text files (ISO/IEC 26300-1). */
public final class OdtReader {
    private final Map<String, byte[]> parts;
    private final OdtSheet sheet;
    private final List<Finding> findings = new ArrayList<>();
    private final Set<String> ranges = new HashSet<>();
    private OdtChangeList changes = OdtChangeList.NONE;
    private OdtForms forms = OdtForms.NONE;

    private final Progress progress;

    OdtReader(Map<String, byte[]> parts, OdtSheet sheet, Progress progress) {
        this.parts = parts;
        this.sheet = sheet;
        this.progress = progress;
    }

    /** Stops where that is wished. */
    void step() { progress.step(0, 0, Message.of("step.reading")); }

    /**
     * Reads a file.
     *
     * @param password for a protected one, or null
     * @throws DecantException where it wants another password, or is damaged
     */
    public static Taken read(byte[] file, String name, String password, Progress progress) {
        Map<String, byte[]> parts = OpenDocumentLock.unlocked(Archive.parts(file), name, password, progress);
        byte[] content = parts.get("content.xml");
        if (content == null) throw new DecantException(Kind.UNREADABLE, Message.of("odf.is-damaged-its-text-is-missing-ask", name));
        XmlNode main = XmlReader.tree(content, "content.xml");
        XmlNode styles = parts.containsKey("styles.xml") ? XmlReader.tree(parts.get("styles.xml"), "styles.xml") : null;
        OdtReader reader = new OdtReader(parts, new OdtSheet(styles, main), progress);
        if (Entities.areIn(content)) reader.find(Finding.lost(Message.of("xml.entities-are-left-out")));
        return reader.document(main, name);
    }

    OdtSheet sheet() { return sheet; }
    OdtChangeList changes() { return changes; }
    OdtForms forms() { return forms; }

    /** The names of comments that have a range. */
    Set<String> ranges() { return ranges; }

    private void ends(XmlNode node) {
        for (XmlNode child : node.children()) {
            if (child.is("office:annotation-end")) ranges.add(child.get("office:name", ""));
            else ends(child);
        }
    }

    /** A document inside this one. */
    OdtObject object(String folder) { return new OdtObject(parts, folder, progress); }

    /** What is drawn, where that is all that is wanted of a file. */
    OdtFrames frames() { return new OdtFlow(this, true).frames(); }

    byte[] part(String name) { return parts.get(Archive.plain(name.replaceFirst("^\\./", ""))); }
    void find(Finding finding) { if (!findings.contains(finding)) findings.add(finding); }

    private Taken document(XmlNode main, String name) {
        XmlNode text = main.at("office:body", "office:text");
        if (text == null) throw new DecantException(Kind.UNREADABLE, Message.of("odf.is-damaged-its-text-is-missing-ask", name));
        changes = new OdtChangeList(text);
        forms = new OdtForms(text);
        ends(text);
        OdtFlow flow = new OdtFlow(this, true);
        flow.body(text);
        List<Section> sections = new ArrayList<>();
        boolean even = false;
        for (OdtFlow.Stretch stretch : flow.stretches()) {
            Section section = section(stretch);
            even |= section.frames().containsKey(FramePlace.EVEN_HEADER) || section.frames().containsKey(FramePlace.EVEN_FOOTER);
            sections.add(section);
        }
        if (changes.hasLooks()) find(Finding.changed(Message.of("format.changes-of-looks-come-in-accepted")));
        Document document = new Document(facts(), sheet.styles(), sheet.numbering(), sections, even, sheet.tabWidth(), List.of(),
                OdtFonts.read(main.child("office:font-face-decls"), this::part, this::find));
        // Where nothing is said of it, any number of lines in a row is parted (20.199).
        if (PartedWords.areIn(document) && !sheet.styles().defaults().says(ParagraphProperty.PARTED_LINES))
            document = document.withStyles(PartedWords.inAnyLines(document.styles()));
        return new Taken(OutlineLinks.of(document), findings);
    }

    private Section section(OdtFlow.Stretch stretch) {
        XmlNode master = stretch.master() == null ? sheet.firstMaster() : sheet.master(stretch.master());
        XmlNode layout = sheet.layout(master);
        XmlNode properties = layout == null ? null : layout.child("style:page-layout-properties");
        // A page that is followed by another kind is the first one, and differs.
        XmlNode next = master == null || master.get("style:next-style-name") == null || master.get("style:next-style-name").equals(master.get("style:name"))
                ? null : sheet.master(master.get("style:next-style-name"));
        Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
        boolean first = next != null && sheet.layout(next) != null;
        if (first) {
            frame(frames, FramePlace.FIRST_HEADER, master.child("style:header"));
            frame(frames, FramePlace.FIRST_FOOTER, master.child("style:footer"));
        }
        XmlNode usual = first ? next : master;
        if (usual != null) {
            frame(frames, FramePlace.HEADER, usual.child("style:header"));
            frame(frames, FramePlace.FOOTER, usual.child("style:footer"));
            frame(frames, FramePlace.EVEN_HEADER, usual.child("style:header-left"));
            frame(frames, FramePlace.EVEN_FOOTER, usual.child("style:footer-left"));
            if (usual.child("style:header-first") != null || usual.child("style:footer-first") != null) {
                first = true;
                frame(frames, FramePlace.FIRST_HEADER, usual.child("style:header-first"));
                frame(frames, FramePlace.FIRST_FOOTER, usual.child("style:footer-first"));
            }
        }
        Section.PageGeometry page = page(properties, layout, usual);
        XmlNode columns = stretch.columns() != null ? stretch.columns() : properties == null ? null : properties.child("style:columns");
        List<Block> blocks = stretch.blocks().isEmpty() ? List.of(Paragraph.of("")) : stretch.blocks();
        NumberFormat format = OdtStyles.format(properties == null ? "1" : properties.get("style:num-format", "1"), NumberFormat.DECIMAL);
        return new Section(stretch.goesOn() ? Section.Start.CONTINUOUS : Section.Start.NEXT_PAGE, page, columns(columns, page.textWidth()),
                new Section.PageNumbering(format, stretch.number()), stretch.goesOn() ? Map.of() : frames, first && !stretch.goesOn(), blocks)
                .dressed(dress(properties));
    }

    private void frame(Map<FramePlace, List<Block>> frames, FramePlace place, XmlNode node) {
        if (node == null) return;
        OdtFlow flow = new OdtFlow(this, false);
        flow.body(node);
        List<Block> blocks = flow.stretches().get(0).blocks();
        frames.put(place, blocks.isEmpty() ? List.of(Paragraph.of("")) : blocks);
    }

    /** Margins reach to the header; what lies between that and the text is the header's own room. */
    private static Section.PageGeometry page(XmlNode properties, XmlNode layout, XmlNode master) {
        if (properties == null) return Section.PageGeometry.A4;
        double all = OdtLookReading.length(properties.get("fo:margin"), 56.7);
        double top = OdtLookReading.length(properties.get("fo:margin-top"), all);
        double bottom = OdtLookReading.length(properties.get("fo:margin-bottom"), all);
        double header = room(layout, master, "style:header-style", "style:header", "fo:margin-bottom");
        double footer = room(layout, master, "style:footer-style", "style:footer", "fo:margin-top");
        // Borders stand at the margins, and what is padded between them and the text belongs to the page as well (17.3).
        Borders lines = OdtLookReading.borders(properties);
        top += reach(properties, "top", lines == null ? null : lines.top());
        bottom += reach(properties, "bottom", lines == null ? null : lines.bottom());
        double left = OdtLookReading.length(properties.get("fo:margin-left"), all) + reach(properties, "left", lines == null ? null : lines.left());
        double right = OdtLookReading.length(properties.get("fo:margin-right"), all) + reach(properties, "right", lines == null ? null : lines.right());
        return new Section.PageGeometry(OdtLookReading.length(properties.get("fo:page-width"), 595.3),
                OdtLookReading.length(properties.get("fo:page-height"), 841.9), top + header, right, bottom + footer, left,
                header > 0 ? top : Math.min(36, top), footer > 0 ? bottom
                        : Math.min(36, bottom), 0);
    }

    private static double reach(XmlNode properties, String side, Border line) {
        return OdtLookReading.length(properties.get("fo:padding-" + side, properties.get("fo:padding")), 0) + (line == null ? 0 : line.width());
    }

    private PageDress dress(XmlNode properties) {
        Borders lines = properties == null ? null : OdtLookReading.borders(properties);
        PageDress plain = PageDress.PLAIN.counting(sheet.notes("footnote", NoteCount.FOOTNOTES), sheet.notes("endnote", NoteCount.ENDNOTES));
        PageDress dress = lines == null ? plain : plain.framed(lines, true, PageDress.Framed.ALL);
        return sheet.lineNumbers() == null ? dress : dress.numbered(sheet.lineNumbers());
    }

    private static double room(XmlNode layout, XmlNode master, String style, String frame, String gap) {
        if (master == null || master.child(frame) == null || layout.child(style) == null) return 0;
        XmlNode properties = layout.child(style).child("style:header-footer-properties");
        if (properties == null) return 0;
        return OdtLookReading.length(properties.get("fo:min-height", properties.get("svg:height")), 0) + OdtLookReading.length(properties.get(gap), 0);
    }

    private static Section.Columns columns(XmlNode node, double textWidth) {
        if (node == null || !node.get("fo:column-count", "1").matches("[2-9]|[1-4]\\d")) return Section.Columns.ONE;
        int count = Integer.parseInt(node.get("fo:column-count", "1"));
        double gap = OdtLookReading.length(node.get("fo:column-gap"), 0);
        List<XmlNode> told = node.children("style:column");
        List<Double> widths = new ArrayList<>();
        if (told.size() == count) {
            double all = told.stream().mapToDouble(OdtReader::share).sum();
            for (int i = 0; i < count && all > 0; i++) {
                double before = OdtLookReading.length(told.get(i).get("fo:start-indent"), 0);
                double after = OdtLookReading.length(told.get(i).get("fo:end-indent"), 0);
                widths.add(Math.round((share(told.get(i)) / all * textWidth - before - after) * 10) / 10.0);
                if (i + 1 < count) widths.add(Math.round((after + OdtLookReading.length(told.get(i + 1).get("fo:start-indent"), 0)) * 10) / 10.0);
            }
            boolean even = widths.stream().filter(width -> widths.indexOf(width) % 2 == 0).distinct().count() <= 1 || equal(widths);
            if (gap == 0 && count > 1 && widths.size() > 1) gap = widths.get(1);
            if (even) widths.clear();
        }
        return new Section.Columns(count, gap, node.child("style:column-sep") != null, widths);
    }

    private static boolean equal(List<Double> widths) {
        for (int i = 2; i < widths.size(); i++) if (Math.abs(widths.get(i) - widths.get(i % 2)) > 0.5) return false;
        return true;
    }

    private static double share(XmlNode column) {
        String told = column.get("style:rel-width", "1*").replace("*", "");
        return told.matches("\\d+(\\.\\d+)?") ? Double.parseDouble(told) : 1;
    }

    private Facts facts() {
        byte[] part = parts.get("meta.xml");
        XmlNode meta = part == null ? null : XmlReader.tree(part, "meta.xml").child("office:meta");
        if (meta == null) return Facts.NONE;
        Map<String, String> others = new HashMap<>();
        for (XmlNode own : meta.children("meta:user-defined"))
            if (own.get("meta:name") != null && !own.text().isBlank()) others.put(own.get("meta:name"), own.text());
        String author = text(meta, "meta:initial-creator");
        return new Facts(text(meta, "dc:title"), text(meta, "dc:subject"), author == null ? text(meta, "dc:creator") : author, keywords(meta),
                text(meta, "dc:language"), time(text(meta, "meta:creation-date")), time(text(meta, "dc:date")), others);
    }

    private static String keywords(XmlNode meta) {
        String all = meta.children("meta:keyword").stream().map(XmlNode::text).filter(word -> !word.isBlank())
                .collect(Collectors.joining(", "));
        return all.isEmpty() ? null : all;
    }

    private static String text(XmlNode meta, String name) {
        return meta.child(name) == null || meta.child(name).text().isBlank() ? null : meta.child(name).text();
    }

    private static Instant time(String told) {
        if (told == null) return null;
        try {
            return told.endsWith("Z") ? Instant.parse(told) : LocalDateTime.parse(told).toInstant(ZoneOffset.UTC);
        } catch (DateTimeException e) {
            LoggerFactory.getLogger(OdtReader.class).debug("{} is no time", told, e);
            return null;
        }
    }
}
