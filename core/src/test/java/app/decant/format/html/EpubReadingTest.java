package app.decant.format.html;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Block;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.format.Archive;
import app.decant.format.Formats;
import app.decant.format.Taken;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Books written by hand as other makers write them, clause by clause of EPUB 3.3 and OCF. */
class EpubReadingTest {
    private static final byte[] DOT = Base64.getDecoder().decode("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk"
            + "+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");

    private final Map<String, byte[]> parts = new LinkedHashMap<>();
    private final StringBuilder manifest = new StringBuilder();
    private final StringBuilder spine = new StringBuilder();
    private int count;

    private EpubReadingTest put(String path, String type, byte[] bytes) {
        String href = path.replace(" ", "%20").replace("é", "%C3%A9");
        manifest.append("<item id='i").append(++count).append("' href='").append(href).append("' media-type='").append(type).append("'/>");
        parts.put("OEBPS/" + path, bytes);
        return this;
    }

    private EpubReadingTest chapter(String path, String body) { return chapter(path, body, StandardCharsets.UTF_8); }

    private EpubReadingTest chapter(String path, String body, Charset charset) {
        put(path, "application/xhtml+xml", ("<?xml version='1.0' encoding='" + charset.name() + "'?><html xmlns='http://www.w3.org/1999/xhtml' "
                + "xmlns:xlink='http://www.w3.org/1999/xlink' xmlns:epub='http://www.idpf.org/2007/ops'><head><title>t</title></head><body>" + body
                + "</body></html>").getBytes(charset));
        spine.append("<itemref idref='i").append(count).append("'/>");
        return this;
    }

    private Taken read() {
        Map<String, byte[]> all = new LinkedHashMap<>();
        all.put("META-INF/container.xml", ("<container version='1.0' xmlns='urn:oasis:names:tc:opendocument:xmlns:container'><rootfiles><rootfile "
                + "full-path='OEBPS/book.opf' media-type='application/oebps-package+xml'/></rootfiles></container>").getBytes(StandardCharsets.UTF_8));
        all.put("OEBPS/book.opf", ("<package version='3.0' xmlns='http://www.idpf.org/2007/opf'><metadata xmlns:dc='http://purl.org/dc/elements/1.1/'>"
                + "<dc:title>Winter &amp; fares</dc:title><dc:creator>Ada Quay</dc:creator><dc:language>en-GB</dc:language></metadata><manifest>" + manifest
                + "</manifest><spine>" + spine + "</spine></package>").getBytes(StandardCharsets.UTF_8));
        all.putAll(parts);
        return Formats.read(Archive.packed("application/epub+zip", all), "winter.epub", null, Progress.SILENT);
    }

    private static List<Paragraph> paragraphs(Document document) {
        List<Paragraph> found = new ArrayList<>();
        for (Block block : document.blocks()) if (block instanceof Paragraph paragraph) found.add(paragraph);
        return found;
    }

    private static List<String> texts(Document document) {
        return paragraphs(document).stream().map(Paragraph::text).map(text -> text.replace(String.valueOf(Inline.OBJECT), "").strip())
                .filter(text -> !text.isEmpty()).toList();
    }

    private static List<String> links(Document document) {
        List<String> links = new ArrayList<>();
        for (Paragraph paragraph : paragraphs(document)) for (Inline inline : paragraph.inlines())
            if (inline instanceof Inline.Text text && text.look().get(TextProperty.LINK) instanceof Link.Inside inside) links.add(inside.bookmark());
        return links;
    }

    private static List<String> places(Document document) {
        List<String> places = new ArrayList<>();
        for (Paragraph paragraph : paragraphs(document)) for (Inline inline : paragraph.inlines())
            if (inline instanceof Inline.BookmarkPoint point && point.start()) places.add(point.name());
        return places;
    }

    /** EPUB 3.3, 5.7: chapters in the order of the spine, whatever that of the manifest; facts from the metadata. */
    @Test void chaptersStandInTheOrderOfTheSpine() {
        chapter("b.xhtml", "<h1>Second</h1><p>two</p>").chapter("a.xhtml", "<h1>First</h1><p>one</p>");
        spine.setLength(0);
        spine.append("<itemref idref='i2'/><itemref idref='gone'/><itemref idref='i1' linear='no'/><itemref idref='i2'/>");
        Document document = read().document();
        assertThat(texts(document)).containsExactly("First", "one", "Second", "two");
        assertThat(document.facts().title()).isEqualTo("Winter & fares");
        assertThat(document.facts().author()).isEqualTo("Ada Quay");
        assertThat(document.facts().language()).isEqualTo("en-GB");
    }

    /** RFC 3986, 2.1: names with blanks and letters beyond the first 128 are written in per cent. */
    @Test void namesOfFilesAreDecoded() {
        chapter("text/the café.xhtml", "<p>open</p><p><img src='../pictures/the%20quay.png' alt='Quay'/></p>");
        put("pictures/the quay.png", "image/png", DOT);
        Document document = read().document();
        assertThat(texts(document)).contains("open");
        assertThat(pictures(document)).singleElement().satisfies(picture -> assertThat(picture.picture().image().bytes()).isEqualTo(DOT));
    }

    private static List<Inline.InlinePicture> pictures(Document document) {
        List<Inline.InlinePicture> found = new ArrayList<>();
        for (Paragraph paragraph : paragraphs(document)) for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.InlinePicture one)
                found.add(one);
        return found;
    }

    /** 6.1.3.1: covers are often a drawing round one picture. */
    @Test void coversAreThePictureWithinTheirDrawing() {
        chapter("cover.xhtml", "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1 1'><title>Cover</title><image width='1' height='1' "
                + "xlink:href='cover.png'/></svg>").chapter("a.xhtml", "<p>text</p>");
        put("cover.png", "image/png", DOT);
        assertThat(pictures(read().document())).singleElement().satisfies(picture -> {
            assertThat(picture.picture().image().bytes()).isEqualTo(DOT);
            assertThat(picture.picture().description()).isEqualTo("Cover");
        });
    }

    /** 5.2: links between files become links within the text; names that two chapters have stay apart. */
    @Test void linksLeadFromChapterToChapter() {
        chapter("text/a.xhtml", "<p id='n1'>here</p><p><a href='#n1'>own</a> <a href='b.xhtml#n1'>other</a> <a href='../text/b.xhtml'>start</a> "
                + "<a href='c.xhtml'>gone</a> <a href='https://fernhollow.example/'>out</a></p>").chapter("text/b.xhtml", "<p>first</p><p id='n1'>there</p>"
                + "<p id='only'>x</p><p><a href='a.xhtml#only2'>nowhere</a> <a href='#only'>back</a></p>");
        Document document = read().document();
        List<String> links = links(document);
        List<String> places = places(document);
        assertThat(places).doesNotHaveDuplicates().contains("only");
        assertThat(links.get(0)).isNotEqualTo(links.get(1));
        assertThat(places).contains(links.get(0), links.get(1), links.get(2));
        assertThat(links).contains("only");
        assertThat(texts(document)).anyMatch(text -> text.contains("gone"));
    }

    /** 3.3: chapters in UTF-16 and in older encodings that they name. */
    @Test void chaptersAreReadInTheirEncoding() {
        chapter("a.xhtml", "<p>Größe</p>", StandardCharsets.UTF_16).chapter("b.xhtml", "<p>Fähre</p>", StandardCharsets.ISO_8859_1)
                .chapter("c.xhtml", "<p>漢字</p>");
        assertThat(texts(read().document())).containsExactly("Größe", "Fähre", "漢字");
    }

    /** Style sheets count in the order of the manifest: of two that say the same, the later. */
    @Test void styleSheetsCountInTheirOrder() {
        put("one.css", "text/css", "p.x { font-weight: bold; font-style: italic }".getBytes(StandardCharsets.UTF_8));
        put("two.css", "text/css", "p.x { font-style: normal }".getBytes(StandardCharsets.UTF_8));
        chapter("a.xhtml", "<p class='x'>text</p>");
        Inline.Text text = (Inline.Text) paragraphs(read().document()).get(0).inlines().stream().filter(Inline.Text.class::isInstance).findFirst()
                .orElseThrow();
        assertThat(text.look().is(TextProperty.BOLD)).isTrue();
        assertThat(text.look().is(TextProperty.ITALIC)).isFalse();
    }

    private static byte[] encryption(String algorithm) {
        return ("<encryption xmlns='urn:oasis:names:tc:opendocument:xmlns:container' xmlns:enc='http://www.w3.org/2001/04/xmlenc#'><enc:EncryptedData>"
                + "<enc:EncryptionMethod Algorithm='" + algorithm + "'/><enc:CipherData><enc:CipherReference URI='OEBPS/f.ttf'/></enc:CipherData>"
                + "</enc:EncryptedData></encryption>").getBytes(StandardCharsets.UTF_8);
    }

    /** 4.2.6.3.2: fonts made unreadable for other books are no lock; what is encrypted otherwise is, and says so. */
    @Test void fontsMadeUnreadableAreNoLock() {
        chapter("a.xhtml", "<p>open</p>");
        parts.put("META-INF/encryption.xml", encryption("http://www.idpf.org/2008/embedding"));
        assertThat(texts(read().document())).containsExactly("open");
        parts.put("META-INF/encryption.xml", encryption("http://www.w3.org/2001/04/xmlenc#aes256-cbc"));
        assertThatThrownBy(this::read).isInstanceOf(DecantException.class).hasMessageContaining("protected");
    }

    /** What books hold that no text does is left out and told; a spine that leads in circles, or out of the book, ends. */
    @Test void oddBooksAreReadAsFarAsTheyGo() {
        chapter("a.xhtml", "<script>alert(1)</script><p>text <img src='../../../../etc/passwd'/><img src='https://fernhollow.example/x.png'/></p>");
        spine.append("<itemref idref='i1'/><itemref/>");
        manifest.append("<item id='i9' href='../../outside.xhtml' media-type='application/xhtml+xml'/><item id='i8' href='%zz.xhtml'/>");
        spine.append("<itemref idref='i9'/><itemref idref='i8'/>");
        Taken taken = read();
        assertThat(texts(taken.document())).containsExactly("text");
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("outside"));
    }
}
