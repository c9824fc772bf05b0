package app.decant.format.html;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.format.Archive;
import app.decant.format.FramedBlocks;
import app.decant.format.Written;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;

/** Writes a document as a book (EPUB 3.3): a chapter for each heading of the first level, with navigation by all headings. */
public final class EpubWriter {

    private final Document document;
    private final List<List<Block>> chapters = new ArrayList<>();
    private final Map<String, Integer> chapterOf = new HashMap<>();
    private final Map<Object, String> pictureNames = new IdentityHashMap<>();
    private final Map<String, HtmlWriter.Shown> pictures = new LinkedHashMap<>();

    private EpubWriter(Document document) { this.document = document; }

    public static Written write(Document document, Instant when) { return new EpubWriter(FramedBlocks.flowing(document)).file(when); }

    private Written file(Instant when) {
        Cascade cascade = Cascade.of(document);
        Outline outline = Outline.of(document, cascade, ListLabels.of(document, cascade));
        split(cascade);
        HtmlLooks looks = new HtmlLooks(document);
        HtmlBody body = new HtmlBody(document, looks, this::source, this::target);
        Map<String, byte[]> parts = new LinkedHashMap<>();
        parts.put("META-INF/container.xml", utf8("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<container version=\"1.0\" "
                + "xmlns=\"urn:oasis:names:tc:opendocument:xmlns:container\"><rootfiles><rootfile full-path=\"book/package.opf\" "
                + "media-type=\"application/oebps-package+xml\"/></rootfiles></container>\n"));
        for (int i = 0; i < chapters.size(); i++) parts.put("book/" + chapter(i), page(title(), body.markup(chapters.get(i))));
        parts.put("book/style.css", utf8(looks.sheet()));
        parts.put("book/nav.xhtml", page(title(), navigation(outline)));
        pictures.forEach((name, shown) -> parts.put("book/" + name, shown.bytes()));
        parts.put("book/package.opf", utf8(description(when)));
        return new Written(Archive.packed("application/epub+zip", parts), HtmlWriter.findings(body.lost(), "book", document));
    }

    private static byte[] utf8(String text) { return text.getBytes(StandardCharsets.UTF_8); }

    private String title() { return document.facts().title() == null ? "Untitled" : document.facts().title(); }

    private static String chapter(int index) { return String.format(Locale.ROOT, "chapter-%03d.xhtml", index + 1); }

    /** Lists of headings are left out: a book has its navigation. */
    private void split(Cascade cascade) {
        List<Block> current = new ArrayList<>();
        for (Block block : document.blocks()) {
            if (block instanceof Contents contents && contents.listsHeadings()) continue;
            if (block instanceof Paragraph paragraph && cascade.outlineLevel(paragraph) == 1 && !current.isEmpty()) {
                chapters.add(current);
                current = new ArrayList<>();
            }
            current.add(block);
            if (block instanceof Paragraph paragraph)
                for (Inline inline : paragraph.inlines())
                    if (inline instanceof Inline.BookmarkPoint point && point.start()) chapterOf.putIfAbsent(point.name(), chapters.size());
        }
        if (!current.isEmpty() || chapters.isEmpty()) chapters.add(current);
    }

    private String target(String bookmark) { return chapterOf.containsKey(bookmark) ? chapter(chapterOf.get(bookmark)) + "#" + bookmark : null; }

    private String source(Picture picture) {
        String known = pictureNames.get(picture.image());
        if (known != null) return known;
        HtmlWriter.Shown shown = HtmlWriter.shown(picture);
        if (shown == null) return null;
        String name = "picture-" + (pictures.size() + 1) + (shown.type().equals("image/jpeg") ? ".jpg" : shown.type().equals("image/gif") ? ".gif" : ".png");
        pictures.put(name, shown);
        pictureNames.put(picture.image(), name);
        return name;
    }

    private byte[] page(String title, String body) {
        Markup page = new Markup().raw("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<!DOCTYPE html>\n").open("html", "xmlns", "http://www.w3.org/1999/xhtml",
                "xmlns:epub", "http://www.idpf.org/2007/ops", "lang", HtmlWriter.language(document), "xml:lang", HtmlWriter.language(document)).line();
        page.open("head").open("title").text(title).close();
        page.open("link", "rel", "stylesheet", "type", "text/css", "href", "style.css");
        page.close().line().open("body").line().raw(body).close().close().line();
        return utf8(page.toString());
    }

    /** Headings lead to their chapter, those with a place of their own to it. */
    private String navigation(Outline outline) {
        Markup nav = new Markup().open("nav", "epub:type", "toc", "id", "toc").open("h1").text("Contents").close().line().open("ol");
        List<Integer> open = new ArrayList<>();
        int chapter = -1;
        Map<Paragraph, Integer> in = new IdentityHashMap<>();
        for (int i = 0; i < chapters.size(); i++) for (Block block : chapters.get(i)) if (block instanceof Paragraph paragraph) in.put(paragraph, i);
        for (Outline.Heading heading : outline.headings()) {
            Integer own = in.get(heading.paragraph());
            if (own == null) continue;
            chapter = own;
            while (!open.isEmpty() && open.get(open.size() - 1) > heading.level()) {
                nav.close();
                open.remove(open.size() - 1);
                if (!open.isEmpty()) nav.close();
            }
            if (!open.isEmpty() && open.get(open.size() - 1) == heading.level()) nav.close();
            else if (!open.isEmpty()) nav.open("ol");
            if (open.isEmpty() || open.get(open.size() - 1) < heading.level()) open.add(heading.level());
            String mark = heading.paragraph().inlines().stream().filter(inline -> inline instanceof Inline.BookmarkPoint point && point.start())
                    .map(inline -> ((Inline.BookmarkPoint) inline).name()).findFirst().orElse(null);
            nav.open("li").open("a", "href", chapter(chapter) + (mark == null ? "" : "#" + mark)).text(heading.title()).close();
        }
        for (int i = open.size() - 1; i >= 0; i--) {
            nav.close();
            if (i > 0) nav.close();
        }
        if (open.isEmpty()) nav.open("li").open("a", "href", chapter(0)).text(title()).close().close();
        return nav.close().close().line().toString();
    }

    private String description(Instant when) {
        Facts facts = document.facts();
        String id = "urn:uuid:" + UUID.nameUUIDFromBytes(utf8(title() + facts.author() + facts.created()));
        Markup opf = new Markup().raw("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n").open("package", "xmlns", "http://www.idpf.org/2007/opf", "version",
                "3.0", "unique-identifier", "id", "xml:lang", HtmlWriter.language(document)).line();
        opf.open("metadata", "xmlns:dc", "http://purl.org/dc/elements/1.1/").open("dc:identifier", "id", "id").text(id).close().open("dc:title").text(title())
                .close().open("dc:language").text(HtmlWriter.language(document)).close();
        if (facts.author() != null) opf.open("dc:creator").text(facts.author()).close();
        if (facts.subject() != null) opf.open("dc:description").text(facts.subject()).close();
        opf.raw("<meta property=\"dcterms:modified\">" + when.truncatedTo(ChronoUnit.SECONDS) + "</meta>").close().line();
        opf.open("manifest").line();
        item(opf, "nav", "nav.xhtml", "application/xhtml+xml", "nav");
        item(opf, "style", "style.css", "text/css", null);
        for (int i = 0; i < chapters.size(); i++) item(opf, "c" + (i + 1), chapter(i), "application/xhtml+xml", null);
        int picture = 0;
        for (Map.Entry<String, HtmlWriter.Shown> one : pictures.entrySet()) item(opf, "p" + ++picture, one.getKey(), one.getValue().type(), null);
        opf.close().line().open("spine").line();
        for (int i = 0; i < chapters.size(); i++) opf.raw("<itemref idref=\"c" + (i + 1) + "\"/>\n");
        return opf.close().close().line().toString();
    }

    private static void item(Markup opf, String id, String name, String type, String properties) {
        opf.raw("<item id=\"" + id + "\" href=\"" + name + "\" media-type=\"" + type + "\"" + (properties == null ? "" : " properties=\"" + properties
                + "\"") + "/>\n");
    }
}
