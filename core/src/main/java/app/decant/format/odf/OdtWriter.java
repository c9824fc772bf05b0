package app.decant.format.odf;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.FontFile;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.PageDress;
import app.decant.document.Picture;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChanges;
import app.decant.document.Walk;
import app.decant.format.Archive;
import app.decant.format.CommentSpans;
import app.decant.format.FramedBlocks;
import app.decant.format.OtherLabels;
import app.decant.format.Written;
import app.decant.picture.PictureDecoder;
import app.decant.words.Message;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlWriter;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import javax.imageio.ImageIO;
import org.slf4j.LoggerFactory;

/** Writes a document as an OpenDocument text file (ISO/IEC 26300-1, version 1.2). */
public final class OdtWriter {
    private static final double RESOLUTION = 200;

    private final Document document;
    private final OdtStyles styles;
    private final CommentSpans spans;
    private final OdtFormWriting forms = new OdtFormWriting();
    private final Map<String, byte[]> parts = new LinkedHashMap<>();
    private final Map<String, String> types = new LinkedHashMap<>();
    private final Map<Object, String> pictures = new IdentityHashMap<>();
    private final Set<String> lost = new LinkedHashSet<>();

    private OdtWriter(Document document) {
        this.document = document;
        styles = new OdtStyles(document);
        spans = new CommentSpans(document);
    }

    /** @param template whether others are begun from it */
    public static Written write(Document document, Instant when, boolean template) {
        Document told = TrackedChanges.withRowsAccepted(document);
        OdtWriter writer = new OdtWriter(FramedBlocks.inBoxes(told, true));
        if (told != document) writer.lose("rows");
        byte[] file = writer.file(when, template);
        List<Finding> findings = new ArrayList<>();
        if (writer.lost.contains("opaque"))
            findings.add(Finding.lost(Message.of("odf.charts-formulas-and-embedded-objects-that-have")));
        if (writer.lost.contains("picture")) findings.add(Finding.lost(Message.of("odf.a-picture-cannot-be-decoded")));
        if (writer.lost.contains("upwards")) findings.add(Finding.changed(Message.of("odf.boxes-run-across")));
        if (writer.lost.contains("answers")) findings.add(Finding.changed(Message.of("odf.answers-stand-in-comments")));
        if (writer.lost.contains("done")) findings.add(Finding.changed(Message.of("format.comments-that-are-done")));
        if (OtherLabels.in(document, OdfFormat.ODT.shown(document))) findings.add(Finding.changed(Message.of("odf.labels-count-otherwise")));
        if (CameAndWent.without(document) != document) findings.add(Finding.lost(Message.of("odf.what-came-and-went")));
        if (writer.lost.contains("rows")) findings.add(Finding.changed(Message.of("format.changes-of-rows-are-accepted")));
        if (writer.lost.contains("frames")) findings.add(Finding.changed(Message.of("odf.changes-in-frames-are-accepted")));
        if (writer.lost.contains("pixels")) findings.add(Finding.changed(Message.of("odf.drawings-became-pixels-in-the-odt")));
        if (writer.lost.contains("dress")) findings.add(Finding.changed(Message.of("odf.what-pages-have-beyond-text")));
        if (writer.lost.contains("notes")) findings.add(Finding.changed(Message.of("odf.notes-count-otherwise")));
        if (writer.lost.contains("restart")) findings.add(Finding.changed(Message.of("odf.sections-that-begin-on-an-even")));
        return new Written(file, findings);
    }

    Document document() { return document; }
    OdtStyles styles() { return styles; }
    CommentSpans spans() { return spans; }
    OdtFormWriting forms() { return forms; }
    void lose(String what) { lost.add(what); }

    static Object[] namespaces() {
        List<Object> all = new ArrayList<>();
        XmlNames.OPEN_DOCUMENT.forEach((prefix, namespace) -> {
            if (!prefix.equals("manifest")) all.addAll(List.of("xmlns:" + prefix, namespace));
        });
        all.addAll(List.of("xmlns:dc", "http://purl.org/dc/elements/1.1/", "office:version", "1.2"));
        return all.toArray();
    }

    /** Where a picture is in the archive, or null where it can't be written. */
    String picture(Picture picture) {
        String known = pictures.get(picture.image());
        if (known != null) return known;
        byte[] bytes = picture.image().bytes();
        String type = picture.image().type();
        if (PictureDecoder.isDrawing(picture.image()) || !type.matches("image/(png|jpeg|gif|bmp|tiff|x-emf|x-wmf|emf|wmf|svg\\+xml)")) {
            try {
                lost.add("pixels");
                BufferedImage pixels = PictureDecoder.decode(picture.image(), RESOLUTION);
                if (pixels == null) throw new IOException("No pixels in " + picture.image());
                ByteArrayOutputStream out = new ByteArrayOutputStream();
                ImageIO.write(pixels, "png", out);
                bytes = out.toByteArray();
                type = "image/png";
            } catch (IOException | RuntimeException e) {
                LoggerFactory.getLogger(OdtWriter.class).info("A picture can't be written: {}", picture.image(), e);
                lost.add("picture");
                return null;
            }
        }
        String name = "Pictures/" + (pictures.size() + 1) + "." + type.replaceFirst("image/(x-)?", "").replace("jpeg", "jpg").replace("svg+xml", "svg");
        parts.put(name, bytes);
        types.put(name, type);
        pictures.put(picture.image(), name);
        return name;
    }

    private byte[] file(Instant when, boolean template) {
        String kind = "application/vnd.oasis.opendocument.text" + (template ? "-template" : "");
        XmlWriter body = new XmlWriter();
        OdtBody content = new OdtBody(this, body, false);
        content.sections(document.sections());
        XmlWriter regions = content.regions();
        XmlWriter pages = new XmlWriter();
        OdtStyles frameStyles = new OdtStyles(document);
        masterPages(pages, frameStyles);
        XmlWriter main = new XmlWriter();
        main.open("office:document-content", namespaces());
        fonts(main);
        main.open("office:automatic-styles");
        styles.automatic(main);
        main.close().open("office:body").open("office:text").raw(forms.markup());
        main.raw(regions == null ? "" : markup(regions)).raw(markup(body)).close().close().close();
        put("content.xml", "text/xml", main.bytes());
        XmlWriter sheet = new XmlWriter();
        sheet.open("office:document-styles", namespaces());
        fonts(sheet);
        sheet.open("office:styles");
        styles.named(sheet);
        notes(sheet);
        lineNumbers(sheet);
        sheet.close().open("office:automatic-styles");
        for (int i = 0; i < document.sections().size(); i++) pageLayout(sheet, i);
        frameStyles.automatic(sheet);
        sheet.close().open("office:master-styles").raw(markup(pages)).close().close();
        put("styles.xml", "text/xml", sheet.bytes());
        put("meta.xml", "text/xml", meta(when));
        OdtFonts.places(document).forEach((font, name) -> put(name, OdtFonts.type(font), font.bytes()));
        return zipped(kind);
    }

    /** What was written without the declaration in front. */
    static String markup(XmlWriter xml) { return new String(xml.bytes(), StandardCharsets.UTF_8).replaceFirst("^<\\?xml[^>]*\\?>\\s*", ""); }

    private void put(String name, String type, byte[] bytes) {
        parts.put(name, bytes);
        types.put(name, type);
    }

    private void fonts(XmlWriter xml) {
        Set<String> families = new TreeSet<>();
        families.add(document.styles().defaults().get(TextProperty.FAMILY, "Liberation Serif"));
        for (var style : document.styles().styles().values())
            if (style.look().get(TextProperty.FAMILY) != null) families.add(style.look().get(TextProperty.FAMILY));
        Walk.of(document).stops().forEach(stop -> stop.paragraph().inlines().forEach(inline -> {
            if (inline.look().get(TextProperty.FAMILY) != null) families.add(inline.look().get(TextProperty.FAMILY));
        }));
        xml.open("office:font-face-decls");
        Map<FontFile, String> places = OdtFonts.places(document);
        for (String family : families) OdtFonts.declare(xml, family, places);
        xml.close();
    }

    private void notes(XmlWriter xml) {
        PageDress dress = document.sections().get(0).dress();
        boolean others = document.sections().stream().anyMatch(section -> !section.dress().footnotes().equals(dress.footnotes())
                || !section.dress().endnotes().equals(dress.endnotes()));
        if (others || dress.footnotes().bySection() || dress.endnotes().bySection() || isSigned(dress.footnotes())
                || isSigned(dress.endnotes())) lost.add("notes");
        xml.leaf("text:notes-configuration", "text:note-class", "footnote", "style:num-format", OdtStyles.format(dress.footnotes().format()),
                "text:start-value", dress.footnotes().start() - 1, "text:footnotes-position", "page", "text:start-numbering-at", "document");
        xml.leaf("text:notes-configuration", "text:note-class", "endnote", "style:num-format", OdtStyles.format(dress.endnotes().format()),
                "text:start-value", dress.endnotes().start() - 1);
    }

    private static boolean isSigned(NoteCount count) { return count.format() == NumberFormat.SIGNS || count.format().isSpoken(); }

    static String page(int section) { return "Page" + (section + 1); }

    private void pageLayout(XmlWriter xml, int index) {
        Section section = document.sections().get(index);
        Section.PageGeometry page = section.page();
        boolean header = frame(index, true);
        boolean footer = frame(index, false);
        NumberFormat format = section.numbering().format();
        List<String[]> margins = List.of(margin(section, Borders::top, header ? page.header() : page.top()),
                margin(section, Borders::bottom, footer ? page.footer() : page.bottom()), margin(section, Borders::left, page.textLeft()),
                margin(section, Borders::right, page.right()));
        xml.open("style:page-layout", "style:name", "Layout" + (index + 1));
        // Margins here reach to the header; what lies between it and the text belongs to the header.
        xml.open("style:page-layout-properties", "fo:page-width", OdtLooks.points(page.width()), "fo:page-height", OdtLooks.points(page.height()),
                "style:print-orientation", page.isLandscape() ? "landscape" : "portrait",
                "style:num-format", OdtStyles.format(format), "fo:margin-top", margins.get(0)[0], "fo:padding-top", margins.get(0)[1],
                "fo:margin-bottom", margins.get(1)[0], "fo:padding-bottom", margins.get(1)[1], "fo:margin-left", margins.get(2)[0],
                "fo:padding-left", margins.get(2)[1], "fo:margin-right", margins.get(3)[0], "fo:padding-right", margins.get(3)[1],
                "fo:border-top", line(section, Borders::top), "fo:border-bottom", line(section, Borders::bottom),
                "fo:border-left", line(section, Borders::left), "fo:border-right", line(section, Borders::right));
        Section.Columns columns = section.columns();
        if (columns.count() > 1) columns(xml, columns, page.textWidth());
        xml.close();
        for (boolean top : new boolean[] {true, false}) {
            if (!(top ? header : footer)) continue;
            xml.open(top ? "style:header-style" : "style:footer-style");
            double room = Math.max(0, top ? page.top() - page.header() : page.bottom() - page.footer());
            xml.leaf("style:header-footer-properties", "fo:min-height", OdtLooks.points(room), "fo:margin-left", "0pt", "fo:margin-right", "0pt",
                    top ? "fo:margin-bottom" : "fo:margin-top", "0pt", "style:dynamic-spacing", "true");
            xml.close();
        }
        xml.close();
    }

    private static boolean isFramed(Section section) { return section.dress().isFramed() && section.dress().framed() == PageDress.Framed.ALL; }

    private static String line(Section section, Function<Borders, Border> side) {
        Border border = isFramed(section) ? side.apply(section.dress().frame()) : null;
        return border == null ? null : OdtLooks.border(border);
    }

    /** What is free outside of a page's border, and what between that and its text (17.3): both together are the margin. */
    private static String[] margin(Section section, Function<Borders, Border> side, double margin) {
        Border border = isFramed(section) ? side.apply(section.dress().frame()) : null;
        if (border == null || !border.isVisible()) return new String[] {OdtLooks.points(margin), null};
        double within = section.dress().fromText() ? Math.min(border.space(), margin) : Math.max(0, margin - border.space() - border.width());
        return new String[] {OdtLooks.points(Math.max(0, margin - within - border.width())), OdtLooks.points(within)};
    }

    /** Numbers beside lines go for the whole text here (16.29.9); what else pages have has no place. */
    private void lineNumbers(XmlWriter xml) {
        PageDress first = document.sections().get(0).dress();
        boolean all = document.sections().stream().allMatch(section -> Objects.equals(section.dress().numbers(), first.numbers()));
        boolean others = document.sections().stream().anyMatch(section -> section.dress().standing() != PageDress.Standing.TOP
                || section.dress().isFramed() && !isFramed(section));
        if (!all || others) lost.add("dress");
        if (!all || first.numbers() == null) return;
        xml.leaf("text:linenumbering-configuration", "text:number-lines", "true", "text:offset", OdtLooks.points(first.numbers().distance()),
                "style:num-format", "1", "text:number-position", "left", "text:increment", first.numbers().every(), "text:restart-on-page",
                first.numbers().again() == PageDress.LineNumbers.Again.PAGE ? "true" : "false", "text:count-in-text-boxes", "false");
    }

    static void columns(XmlWriter xml, Section.Columns columns, double textWidth) {
        xml.open("style:columns", "fo:column-count", columns.count(), "fo:column-gap", OdtLooks.points(columns.gap()));
        if (columns.line()) xml.leaf("style:column-sep", "style:width", "0.5pt", "style:color", "#000000", "style:height", "100%");
        List<double[]> places = columns.within(textWidth);
        for (int i = 0; i < places.size(); i++) {
            double before = i == 0 ? 0 : (places.get(i)[0] - places.get(i - 1)[0] - places.get(i - 1)[1]) / 2;
            double after = i + 1 == places.size() ? 0 : (places.get(i + 1)[0] - places.get(i)[0] - places.get(i)[1]) / 2;
            xml.leaf("style:column", "style:rel-width", Math.round((places.get(i)[1] + before + after) * 20) + "*", "fo:start-indent",
                    OdtLooks.points(before), "fo:end-indent", OdtLooks.points(after));
        }
        xml.close();
    }

    /** Whether a section has a frame at the top or foot, its own or one of a section before. */
    private boolean frame(int index, boolean header) {
        for (FramePlace place : FramePlace.values()) if (place.isHeader() == header && blocks(index, place) != null) return true;
        return false;
    }

    private List<Block> blocks(int index, FramePlace place) {
        for (int i = index; i >= 0; i--) if (document.sections().get(i).frames().containsKey(place)) return document.sections().get(i).frames().get(place);
        return null;
    }

    /** A section whose first page differs has two: the first, which is followed by the other (19.510). */
    private void masterPages(XmlWriter xml, OdtStyles frameStyles) {
        for (int i = 0; i < document.sections().size(); i++) {
            Section section = document.sections().get(i);
            if (section.firstPageDiffers()) {
                xml.open("style:master-page", "style:name", page(i), "style:display-name", page(i), "style:page-layout-name", "Layout" + (i + 1),
                        "style:next-style-name", page(i) + "b");
                frame(xml, frameStyles, "style:header", blocks(i, FramePlace.FIRST_HEADER), frame(i, true));
                frame(xml, frameStyles, "style:footer", blocks(i, FramePlace.FIRST_FOOTER), frame(i, false));
                xml.close();
            }
            xml.open("style:master-page", "style:name", section.firstPageDiffers() ? page(i) + "b" : page(i), "style:display-name",
                    section.firstPageDiffers() ? page(i) + "b" : page(i), "style:page-layout-name", "Layout" + (i + 1));
            frame(xml, frameStyles, "style:header", blocks(i, FramePlace.HEADER), frame(i, true));
            if (document.evenAndOddFrames()) frame(xml, frameStyles, "style:header-left", blocks(i, FramePlace.EVEN_HEADER), false);
            frame(xml, frameStyles, "style:footer", blocks(i, FramePlace.FOOTER), frame(i, false));
            if (document.evenAndOddFrames()) frame(xml, frameStyles, "style:footer-left", blocks(i, FramePlace.EVEN_FOOTER), false);
            xml.close();
        }
    }

    private void frame(XmlWriter xml, OdtStyles frameStyles, String element, List<Block> blocks, boolean room) {
        if (blocks == null && !room) return;
        xml.open(element);
        if (blocks == null) xml.leaf("text:p");
        else new OdtBody(this, frameStyles, xml, true).blocks(settled(blocks));
        xml.close();
    }

    /** Changes in heads and feet would need a list of their own in each; they are accepted, and told. */
    private List<Block> settled(List<Block> blocks) {
        List<Block> settled = TrackedChanges.settled(blocks, true, change -> true);
        if (settled != blocks) lose("frames");
        return settled;
    }

    private byte[] meta(Instant when) {
        Facts facts = document.facts();
        XmlWriter xml = new XmlWriter();
        xml.open("office:document-meta", namespaces()).open("office:meta");
        xml.open("meta:generator").text("Decant").close();
        fact(xml, "dc:title", facts.title());
        fact(xml, "dc:subject", facts.subject());
        fact(xml, "meta:initial-creator", facts.author());
        fact(xml, "dc:creator", facts.author());
        fact(xml, "meta:keyword", facts.keywords());
        fact(xml, "dc:language", facts.language());
        if (facts.created() != null) fact(xml, "meta:creation-date", facts.created().truncatedTo(ChronoUnit.SECONDS).toString().replace("Z", ""));
        fact(xml, "dc:date", when.truncatedTo(ChronoUnit.SECONDS).toString().replace("Z", ""));
        facts.others().forEach((name, value) -> xml.open("meta:user-defined", "meta:name", name).text(value).close());
        return xml.close().close().bytes();
    }

    private static void fact(XmlWriter xml, String name, String value) { if (value != null) xml.open(name).text(value).close(); }

    private byte[] zipped(String kind) {
        XmlWriter manifest = new XmlWriter();
        manifest.open("manifest:manifest", "xmlns:manifest", XmlNames.OPEN_DOCUMENT.get("manifest"), "manifest:version", "1.2");
        manifest.leaf("manifest:file-entry", "manifest:full-path", "/", "manifest:version", "1.2", "manifest:media-type", kind);
        types.forEach((name, type) -> manifest.leaf("manifest:file-entry", "manifest:full-path", name, "manifest:media-type", type));
        manifest.close();
        parts.put("META-INF/manifest.xml", manifest.bytes());
        return Archive.packed(kind, parts);
    }
}
