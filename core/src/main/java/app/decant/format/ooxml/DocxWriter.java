package app.decant.format.ooxml;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.FontFile;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.NumberFormat;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.Section.Columns;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.format.CommentSpans;
import app.decant.format.PartedWords;
import app.decant.format.Written;
import app.decant.picture.PictureDecoder;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes a document as .docx (ISO/IEC 29500-1, transitional). The same document gives the same bytes. */
public final class DocxWriter {
    static final Object[] NAMESPACES = {"xmlns:w", "http://schemas.openxmlformats.org/wordprocessingml/2006/main", "xmlns:r",
            "http://schemas.openxmlformats.org/officeDocument/2006/relationships",
        "xmlns:wp", "http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing", "xmlns:a",
                "http://schemas.openxmlformats.org/drawingml/2006/main",
        "xmlns:pic", "http://schemas.openxmlformats.org/drawingml/2006/picture", "xmlns:mc", "http://schemas.openxmlformats.org/markup-compatibility/2006",
        "xmlns:wps", "http://schemas.microsoft.com/office/word/2010/wordprocessingShape"};
    private static final String TYPES = "application/vnd.openxmlformats-officedocument.wordprocessingml.";

    /** What stands before the words about fonts in the settings (17.15.1.78). */
    private static final Set<String> BEFORE_FONTS = Set.of("w:writeProtection", "w:view", "w:zoom", "w:removePersonalInformation", "w:removeDateAndTime",
            "w:doNotDisplayPageBoundaries", "w:displayBackgroundShape", "w:printPostScriptOverText",
            "w:printFractionalCharacterWidth", "w:printFormsData");

    /** Between those and whether words are parted (17.15.1.78). */
    private static final Set<String> BEFORE_PARTED = Set.of("w:saveFormsData", "w:mirrorMargins", "w:alignBordersAndEdges", "w:bordersDoNotSurroundHeader",
            "w:bordersDoNotSurroundFooter", "w:gutterAtTop", "w:hideSpellingErrors", "w:hideGrammaticalErrors", "w:activeWritingStyle", "w:proofState",
            "w:formsDesign", "w:attachedTemplate", "w:linkStyles", "w:stylePaneFormatFilter", "w:stylePaneSortMethod", "w:documentType", "w:mailMerge",
            "w:revisionView", "w:trackRevisions", "w:doNotTrackMoves", "w:doNotTrackFormatting", "w:documentProtection", "w:autoFormatOverride",
            "w:styleLockTheme", "w:styleLockQFSet", "w:defaultTabStop");
    private static final Pattern ROOT = Pattern.compile("(<w:(?:document|hdr|ftr|footnotes|endnotes|comments|styles|numbering)\\b)");

    private final Document document;
    private final ListNumbers lists;
    private final Map<String, byte[]> parts = new TreeMap<>();
    private final Map<String, String> types = new TreeMap<>();
    private final Map<Image, String> media = new HashMap<>();
    private final Map<Image, String> written = new HashMap<>();
    private final List<Inline.Note> footnotes = new ArrayList<>();
    private final List<Inline.Note> endnotes = new ArrayList<>();
    private final CommentsPart.Writing comments = new CommentsPart.Writing();
    private final CommentSpans spans;
    private boolean insideEndnotes;
    private int ids = 100;
    /** Whether drawings had to become pixels. */
    private boolean pixels;

    private DocxWriter(Document document) {
        this.document = document;
        lists = new ListNumbers(document.numbering());
        spans = new CommentSpans(document);
    }

    /** @param when recorded as the time of the last change */
    public static byte[] write(Document document, Instant when) { return write(document, when, false); }

    /** @param template whether others are begun from it */
    public static byte[] write(Document document, Instant when, boolean template) { return new DocxWriter(document).write(when, template); }

    /** The same, and what differs in it. */
    static Written written(Document document, Instant when, boolean template) {
        DocxWriter writer = new DocxWriter(document);
        byte[] file = writer.write(when, template);
        return new Written(file, writer.pixels ? List.of(Finding.changed(Message.of("ooxml.drawings-became-pixels"))) : List.of());
    }

    int nextId() { return ids++; }
    boolean insideEndnotes() { return insideEndnotes; }

    int addNote(Inline.Note note) {
        List<Inline.Note> list = note.kind() == Inline.Note.Kind.FOOTNOTE ? footnotes : endnotes;
        list.add(note);
        return list.size();
    }

    /** The style for marks of comments, by the name that the standard gives it (17.13.4.5), or null where the file has none. */
    String commentStyle() {
        for (Style style : document.styles().styles().values()) if (style.name().equalsIgnoreCase("annotation reference")) return style.id();
        return null;
    }

    CommentsPart.Writing comments() { return comments; }

    CommentSpans spans() { return spans; }

    ListNumbers lists() { return lists; }
    void keep(Opaque.Part part) { put(part.name(), part.type(), part.bytes()); }

    /** Where an image lies, from the folder of the document. */
    String mediaTarget(Image picture) {
        return media.computeIfAbsent(picture, key -> PictureDecoder.isDrawing(picture) ? media(withPixels(picture)) : media(picture));
    }

    /** Drawings that differ in nothing that is seen are one picture. */
    private String media(Image image) {
        return written.computeIfAbsent(image, key -> {
            String ending = switch (image.type()) {
                case "image/jpeg" -> "jpeg";
                case "image/gif" -> "gif";
                case "image/tiff" -> "tiff";
                case "image/x-emf" -> "emf";
                case "image/x-wmf" -> "wmf";
                default -> image.type().startsWith("image/") ? image.type().substring(6).replaceAll("[^a-z0-9]", "") : "bin";
            };
            String name = "decant" + (written.size() + 1) + "." + ending;
            put("word/media/" + name, image.type(), image.bytes());
            return "media/" + name;
        });
    }

    /** The format holds no drawings of this kind: they go in as pictures, fine enough for print. */
    private Image withPixels(Image drawing) {
        pixels = true;
        try {
            return PictureDecoder.withPixels(drawing, 300);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void put(String name, String type, byte[] bytes) {
        parts.put(name, type != null && type.startsWith(TYPES) && type.endsWith("+xml") ? tolerated(bytes) : bytes);
        types.put(name, type);
    }

    private byte[] write(Instant when, boolean template) {
        PartRelations main = new PartRelations();
        for (Opaque.Part part : document.kept()) {
            boolean settings = part.role() != null && part.role().endsWith("/settings");
            if (part.name().endsWith("settings.xml.rels") || part.role() != null && part.role().startsWith("package:")) continue;
            boolean otherFonts = part.name().contains("fontTable") && !document.fonts().isEmpty();
            if (settings || otherFonts) continue;
            keep(part);
            if (part.role() != null) main.inside(part.role(), "/" + part.name());
        }
        XmlWriter xml = new XmlWriter();
        xml.open("w:document", NAMESPACES);
        if (!document.sections().isEmpty()) for (String kept : document.sections().get(0).kept()) if (kept.startsWith("<w:background")) xml.raw(kept);
        xml.open("w:body");
        StoryWriter story = new StoryWriter(this, xml, main);
        for (int i = 0; i < document.sections().size(); i++) section(story, i);
        xml.close().close();
        part(main, "styles", "word/styles.xml", TYPES + "styles+xml", StylesPart.write(document.styles(), lists, PartedWords.areIn(document)));
        part(main, "numbering", "word/numbering.xml", TYPES + "numbering+xml", NumberingPart.write(document.numbering(), lists));
        part(main, "settings", "word/settings.xml", TYPES + "settings+xml", settings());
        if (!document.fonts().isEmpty()) fonts(main);
        insideEndnotes = false;
        notes(main, "footnotes", "w:footnote", footnotes);
        insideEndnotes = true;
        notes(main, "endnotes", "w:endnote", endnotes);
        if (!comments.isEmpty()) {
            part(main, "comments", "word/comments.xml", TYPES + "comments+xml", comments.comments());
            part(main, CommentsPart.EXTENDED_ROLE, "word/commentsExtended.xml", CommentsPart.EXTENDED_TYPE, comments.extended());
        }
        put("word/document.xml", TYPES + (template ? "template.main+xml" : "document.main+xml"), xml.bytes());
        put("word/_rels/document.xml.rels", null, main.bytes());
        packageParts(when);
        return zipped();
    }

    /** Markup that was kept may say what only newer programs know: others are told to pass over it (29500-3, 7.2). */
    private static byte[] tolerated(byte[] markup) {
        String text = new String(markup, StandardCharsets.UTF_8);
        StringBuilder known = new StringBuilder();
        StringBuilder declared = new StringBuilder();
        for (String[] one : new String[][] {{"w14", "2010"}, {"w15", "2012"}}) {
            if (!text.contains("xmlns:" + one[0] + "=")) continue;
            known.append(known.isEmpty() ? "" : " ").append(one[0]);
            declared.append(" xmlns:").append(one[0]).append("=\"http://schemas.microsoft.com/office/word/").append(one[1]).append("/wordml\"");
        }
        if (known.isEmpty() || text.contains("mc:Ignorable=")) return markup;
        return ROOT.matcher(text).replaceFirst("$1" + declared + " mc:Ignorable=\"" + known + "\"").getBytes(StandardCharsets.UTF_8);
    }

    private void fonts(PartRelations main) {
        FontParts.Parts fonts = FontParts.write(document);
        part(main, "fontTable", "word/fontTable.xml", TYPES + "fontTable+xml", fonts.table());
        put("word/_rels/fontTable.xml.rels", null, fonts.relations().bytes());
        fonts.files().forEach((name, bytes) -> put(name, "application/vnd.openxmlformats-officedocument.obfuscatedFont", bytes));
    }

    private void part(PartRelations relations, String role, String name, String type, byte[] bytes) {
        put(name, type, bytes);
        relations.inside(role, name.substring("word/".length()));
    }

    private void section(StoryWriter story, int index) {
        Section section = document.sections().get(index);
        boolean last = index == document.sections().size() - 1;
        List<Block> blocks = section.blocks();
        Runnable end = () -> sectionProperties(story, section);
        for (int i = 0; i < blocks.size(); i++) {
            boolean carries = !last && i == blocks.size() - 1 && blocks.get(i) instanceof Paragraph;
            story.block(blocks.get(i), carries ? end : null);
        }
        story.endControls(0);
        boolean paragraphLast = !blocks.isEmpty() && blocks.get(blocks.size() - 1) instanceof Paragraph;
        if (!last && !paragraphLast) {
            story.xml.open("w:p").open("w:pPr");
            end.run();
            story.xml.close().close();
        }
        if (last) end.run();
    }

    private void sectionProperties(StoryWriter story, Section section) {
        XmlWriter xml = story.xml;
        xml.open("w:sectPr");
        section.frames().forEach((place, blocks) -> {
            String kind = place.isHeader() ? "header" : "footer";
            String name = kind + nextId() + ".xml";
            XmlWriter own = new XmlWriter();
            PartRelations relations = new PartRelations();
            own.open(place.isHeader() ? "w:hdr" : "w:ftr", NAMESPACES);
            new StoryWriter(this, own, relations).blocks(blocks);
            own.close();
            put("word/" + name, TYPES + kind + "+xml", own.bytes());
            if (!relations.isEmpty()) put("word/_rels/" + name + ".rels", null, relations.bytes());
            String type = place == FramePlace.FIRST_HEADER || place == FramePlace.FIRST_FOOTER ? "first" : place == FramePlace.EVEN_HEADER
                    || place == FramePlace.EVEN_FOOTER ? "even" : "default";
            xml.leaf("w:" + kind + "Reference", "w:type", type, "r:id", story.relations.inside(kind, name));
        });
        String start = switch (section.start()) {
            case CONTINUOUS -> "continuous";
            case NEXT_COLUMN -> "nextColumn";
            case NEXT_PAGE -> "nextPage";
            case EVEN_PAGE -> "evenPage";
            case ODD_PAGE -> "oddPage";
        };
        SectionMarkup more = new SectionMarkup(xml, section);
        more.beforeType();
        xml.leaf("w:type", "w:val", start);
        PageGeometry page = section.page();
        if (!more.still("w:pgSz", size -> SectionReader.isSize(size, page)))
            xml.leaf("w:pgSz", "w:w", Units.toTwips(page.width()), "w:h", Units.toTwips(page.height()), "w:orient", page.isLandscape() ? "landscape" : null);
        xml.leaf("w:pgMar", "w:top", Units.toTwips(page.top()), "w:right", Units.toTwips(page.right()), "w:bottom", Units.toTwips(page.bottom()), "w:left",
                Units.toTwips(page.left()), "w:header",
                Units.toTwips(page.header()), "w:footer", Units.toTwips(page.footer()), "w:gutter", Units.toTwips(page.gutter()));
        more.afterMargins();
        boolean told = more.still("w:pgNumType", node -> SectionReader.numbering(node).equals(section.numbering()));
        if (!told && (section.numbering().start() != null || section.numbering().format() != NumberFormat.DECIMAL)) {
            xml.leaf("w:pgNumType", "w:fmt", NumberingPart.format(section.numbering().format()), "w:start", section.numbering().start());
        }
        Columns columns = section.columns();
        if (columns.count() > 1 || columns.gap() > 0) {
            boolean own = !columns.widths().isEmpty();
            xml.open("w:cols", "w:num", columns.count() > 1 ? columns.count() : null, "w:space",
                    Units.toTwips(columns.gap()), "w:sep", columns.line() ? "1" : null, "w:equalWidth",
                    own ? "0" : null);
            for (int i = 0; own && i < columns.count(); i++) {
                xml.leaf("w:col", "w:w", Units.toTwips(columns.widths().get(2 * i)), "w:space", 2 * i + 1 < columns.widths().size()
                        ? Units.toTwips(columns.widths().get(2 * i + 1)) : null);
            }
            xml.close();
        }
        more.afterColumns();
        if (section.firstPageDiffers()) xml.leaf("w:titlePg");
        more.last();
        xml.close();
    }

    private void notes(PartRelations main, String role, String element, List<Inline.Note> notes) {
        if (notes.isEmpty()) return;
        XmlWriter xml = new XmlWriter();
        PartRelations relations = new PartRelations();
        xml.open("w:" + role, NAMESPACES);
        for (String[] special : new String[][] {{"-1", "separator"}, {"0", "continuationSeparator"}}) {
            xml.open(element, "w:type", special[1], "w:id", special[0]).open("w:p").open("w:r").leaf("w:" + special[1]).close().close().close();
        }
        StoryWriter story = new StoryWriter(this, xml, relations);
        for (int i = 0; i < notes.size(); i++) {
            xml.open(element, "w:id", i + 1);
            story.blocks(notes.get(i).blocks());
            xml.close();
        }
        xml.close();
        part(main, role, "word/" + role + ".xml", TYPES + role + "+xml", xml.bytes());
        if (!relations.isEmpty()) put("word/_rels/" + role + ".xml.rels", null, relations.bytes());
    }

    /** The settings that came with the file, less what points out of it; else our own. */
    private byte[] settings() {
        for (Opaque.Part part : document.kept()) {
            if (part.role() == null || !part.role().endsWith("/settings")) continue;
            XmlNode root = XmlReader.tree(part.bytes(), part.name());
            StringBuilder markup = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>\n<w:settings xmlns:w=\"" + NAMESPACES[1]
                    + "\">");
            boolean told = false;
            boolean parted = !PartedWords.areIn(document);
            for (XmlNode child : root.children()) {
                boolean[] points = new boolean[1];
                child.attributesIn(NAMESPACES[3].toString(), id -> points[0] = true);
                boolean ours = (child.name().startsWith("w:") || child.is("m:mathPr")) && !points[0] && !child.is("w:rsids");
                boolean fonts = child.is("w:embedTrueTypeFonts") || child.is("w:saveSubsetFonts");
                if (fonts || child.is("w:autoHyphenation")) continue;
                if (!BEFORE_FONTS.contains(child.name()) && !BEFORE_PARTED.contains(child.name()) && !parted) {
                    markup.append("<w:autoHyphenation/>");
                    parted = true;
                }
                if (!BEFORE_FONTS.contains(child.name()) && !told) {
                    markup.append(fontsTold());
                    told = true;
                }
                // Which notes part text from notes is told by the parts of notes.
                if (ours) markup.append(child.markup().replaceAll("<w:(?:foot|end)note\\b[^>]*/>", ""));
            }
            if (!told) markup.append(fontsTold());
            if (!parted) markup.append("<w:autoHyphenation/>");
            return markup.append("</w:settings>").toString().getBytes(StandardCharsets.UTF_8);
        }
        XmlWriter xml = new XmlWriter();
        xml.open("w:settings", "xmlns:w", NAMESPACES[1]);
        xml.raw(fontsTold());
        xml.leaf("w:defaultTabStop", "w:val", Units.toTwips(document.tabWidth()));
        if (PartedWords.areIn(document)) xml.leaf("w:autoHyphenation").leaf("w:consecutiveHyphenLimit", "w:val", PartedWords.inRow(document))
                .leaf("w:hyphenationZone", "w:val", PartedWords.zone(document));
        if (document.evenAndOddFrames()) xml.leaf("w:evenAndOddHeaders");
        xml.open("w:compat").leaf("w:compatSetting", "w:name", "compatibilityMode", "w:uri", "http://schemas.microsoft.com/office/word", "w:val", "15").close();
        xml.close();
        return xml.bytes();
    }

    /** That fonts are inside, and whether only the characters used of them (ISO/IEC 29500-1, 17.8.3.8 and 17.8.3.15). */
    private String fontsTold() {
        if (document.fonts().isEmpty()) return "";
        return "<w:embedTrueTypeFonts/>" + (document.fonts().stream().anyMatch(FontFile::subset) ? "<w:saveSubsetFonts/>" : "");
    }

    private void packageParts(Instant when) {
        PartRelations root = new PartRelations();
        root.inside("officeDocument", "word/document.xml");
        root.inside("http://schemas.openxmlformats.org/package/2006/relationships/metadata/core-properties", "docProps/core.xml");
        root.inside("extended-properties", "docProps/app.xml");
        for (Opaque.Part part : document.kept()) {
            if (part.role() == null || !part.role().startsWith("package:")) continue;
            keep(part);
            root.inside(part.role().substring("package:".length()), part.name());
        }
        Facts facts = document.facts();
        XmlWriter core = new XmlWriter();
        core.open("cp:coreProperties", "xmlns:cp", "http://schemas.openxmlformats.org/package/2006/metadata/core-properties", "xmlns:dc",
                "http://purl.org/dc/elements/1.1/", "xmlns:dcterms",
                "http://purl.org/dc/terms/", "xmlns:xsi", "http://www.w3.org/2001/XMLSchema-instance");
        fact(core, "dc:title", facts.title());
        fact(core, "dc:subject", facts.subject());
        fact(core, "dc:creator", facts.author());
        fact(core, "cp:keywords", facts.keywords());
        fact(core, "dc:language", facts.language());
        if (facts.created() != null)
            core.open("dcterms:created", "xsi:type", "dcterms:W3CDTF").text(facts.created().truncatedTo(ChronoUnit.SECONDS).toString()).close();
        core.open("dcterms:modified", "xsi:type", "dcterms:W3CDTF").text(when.truncatedTo(ChronoUnit.SECONDS).toString()).close();
        core.close();
        put("docProps/core.xml", "application/vnd.openxmlformats-package.core-properties+xml", core.bytes());
        XmlWriter app = new XmlWriter();
        app.open("Properties", "xmlns", "http://schemas.openxmlformats.org/officeDocument/2006/extended-properties");
        app.open("Application").text("Decant").close();
        facts.others().forEach((name, value) -> {
            if (name.equals("Company") || name.equals("Manager")) app.open(name).text(value).close();
        });
        app.close();
        put("docProps/app.xml", "application/vnd.openxmlformats-officedocument.extended-properties+xml", app.bytes());
        put("_rels/.rels", null, root.bytes());
    }

    private static void fact(XmlWriter xml, String name, String value) { if (value != null) xml.open(name).text(value).close(); }

    private byte[] zipped() {
        XmlWriter xml = new XmlWriter();
        xml.open("Types", "xmlns", "http://schemas.openxmlformats.org/package/2006/content-types");
        xml.leaf("Default", "Extension", "rels", "ContentType", "application/vnd.openxmlformats-package.relationships+xml");
        xml.leaf("Default", "Extension", "xml", "ContentType", "application/xml");
        types.forEach((name, type) -> {
            if (type != null && !name.endsWith(".rels")) xml.leaf("Override", "PartName", "/" + name, "ContentType", type);
        });
        xml.close();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            entry(zip, "[Content_Types].xml", xml.bytes());
            for (Map.Entry<String, byte[]> part : parts.entrySet()) entry(zip, part.getKey(), part.getValue());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static void entry(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTimeLocal(LocalDateTime.of(1980, 1, 1, 0, 0));
        zip.putNextEntry(entry);
        zip.write(bytes);
        zip.closeEntry();
    }
}
