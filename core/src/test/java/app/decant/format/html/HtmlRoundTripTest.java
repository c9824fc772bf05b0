package app.decant.format.html;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.format.Portrait.Aspect;
import app.decant.format.Portrait;
import app.decant.format.Taken;
import app.decant.layout.Layout;
import app.decant.xml.XmlReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Web pages, books and Markdown: written and read back; told apart by jsoup, which wrote none of them; books by EPUBCheck. */
class HtmlRoundTripTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    /** What a page carries besides words: links, notes, spans, fonts, colours. Numbers before headings become words; pages and headers are lost. */
    private static final Set<Aspect> KEPT = EnumSet.of(Aspect.FONTS, Aspect.COLOURS, Aspect.PICTURE_SIZES);

    @TempDir private Path folder;

    private static Document laidOut(Document document) { return Layout.of(document, FontCatalogue.shipped()).withFieldResults(); }

    private static Taken read(String text, String name) { return Formats.read(text.getBytes(StandardCharsets.UTF_8), name, null, Progress.SILENT); }

    private static List<String> portrait(Document document) {
        // Numbers before headings are words in a page.
        return Portrait.of(document, KEPT).stream().map(line -> line.replaceAll("\\[[^\\]]*\\]", "").replaceAll("\\s+", " ").strip())
                .filter(line -> line.length() > 1).toList();
    }

    @Test void keepsWordsTablesNotesAndPicturesInAPage() {
        Document before = laidOut(HarbourNotice.document());
        String html = new String(HtmlWriter.write(before).bytes(), StandardCharsets.UTF_8);
        org.jsoup.nodes.Document page = Jsoup.parse(html);
        assertThat(page.title()).isEqualTo("Harbour notice 27");
        assertThat(page.select("h2").eachText()).containsExactly("What changes", "Changed sailings", "Deliveries and parcels", "For residents of Shore Street");
        assertThat(page.select("ul > li").eachText()).hasSizeGreaterThanOrEqualTo(4).first().asString().startsWith("Foot passengers board");
        assertThat(page.select("thead th").eachText()).containsExactly("Day", "Printed", "Sails at", "Because of");
        assertThat(page.select("tbody tr")).hasSize(7);
        assertThat(page.select("script, link, img[src^=http]")).isEmpty();
        Document after = read(html, "notice.html").document();
        assertThat(portrait(after)).isEqualTo(portrait(before));
    }

    @Test void keepsLooksAndPlacesOfTheHandbook() {
        Document before = laidOut(PassengerHandbook.document());
        Document after = read(new String(HtmlWriter.write(before).bytes(), StandardCharsets.UTF_8), "handbook.html").document();
        List<String> links = new ArrayList<>();
        int notes = 0;
        int pictures = 0;
        for (Block block : after.blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            for (Inline inline : paragraph.inlines()) {
                if (inline instanceof Inline.Note) notes++;
                if (inline instanceof Inline.InlinePicture || inline instanceof Inline.Floating) pictures++;
                if (inline.look().get(TextProperty.LINK) instanceof Link.Address address) links.add(address.uri());
            }
        }
        assertThat(notes).isEqualTo(3 - 1);
        assertThat(pictures).isGreaterThanOrEqualTo(4);
        assertThat(links).contains("mailto:office@ostreysound.example");
        assertThat(after.blocks().stream().filter(block -> block instanceof Table).count()).isEqualTo(before.blocks().stream()
                .filter(block -> block instanceof Table).count());
    }

    /** The mark of an item is seen though nothing stands behind it (HTML, 4.4.8); one that is not to be shown has none, nor what no mark is asked for. */
    @Test void itemsLeftEmptyAreItems() {
        String page = "<ol><li>one</li><li></li><li hidden>never</li><li style='display:none'>nor</li><li><!-- --></li><li>four</li></ol>"
                + "<ul style='list-style:none'><li></li></ul><ul><li><a id=here></a></li></ul>";
        Document document = read(page, "items.html").document();
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        assertThat(document.blocks()).extracting(block -> labels.label((Paragraph) block) + ((Paragraph) block).text())
                .containsExactly("1.one", "2.", "3.", "4.four", "\u2022");
    }

    /** HTML, 3.2.6.4: a direction is inherited; books say it by attributes only. */
    @Test void textFromTheRightStaysSo() {
        Document document = read("<html dir=rtl><body><p>one<ul><li>two</li></ul></body></html>", "right.html").document();
        assertThat(document.blocks()).hasSize(2).allSatisfy(block -> assertThat(((Paragraph) block).look().is(ParagraphProperty.RIGHT_TO_LEFT)).isTrue());
        String made = new String(HtmlWriter.write(document).bytes(), StandardCharsets.UTF_8);
        assertThat(Jsoup.parse(made).select("p[dir=rtl], li[dir=rtl]").eachText()).containsExactly("one", "two");
        assertThat(read(made, "right.html").document().blocks()).allSatisfy(block -> assertThat(((Paragraph) block).look()
                .is(ParagraphProperty.RIGHT_TO_LEFT)).isTrue());
    }

    /** CSS 2.2 and HTML as other programs write them: classes, inherited text, tables with spans, entities, what is not to be shown. */
    @Test void readsPagesOfOthers() {
        Taken taken = read("<html lang=de><head><title>Fahrplan</title><style>.red { color: #c80000; font-weight: bold } p.note, li { font-size: 9pt } "
                + "@media print { p { color: blue } }</style><script>alert(1)</script></head><body>"
                + "<h1 id=top>Fahrplan &amp; Preise</h1><p class=red>Rot <i>schräg</i><br>neu</p><div>lose Worte<p class=note>klein</p></div>"
                + "<ol start=3><li>drei<ul><li>innen</li></ul></li><li>vier</li></ol><table border=1><tr><th colspan=2>Kopf</th></tr><tr><td "
                        + "rowspan=2>a</td><td>b</td></tr><tr><td>c</td></tr></table>"
                + "<p style='display:none'>unsichtbar</p><p>Siehe <a href='#top'>oben</a> oder <a href='https://ferries.example/'>hier</a>, nicht <a "
                        + "href='javascript:x()'>dort</a>.<img src='http://tracker.example/x.png' alt='Schiff'></p></body></html>", "plan.html");
        Document document = taken.document();
        Cascade cascade = Cascade.of(document);
        List<Paragraph> paragraphs = document.blocks().stream().filter(block -> block instanceof Paragraph).map(block -> (Paragraph) block).toList();
        assertThat(paragraphs).extracting(Paragraph::plainText).containsExactly("Fahrplan & Preise", "Rot schräg\nneu", "lose Worte", "klein", "drei",
                "innen", "vier", "Siehe oben oder hier, nicht dort.[Schiff]");
        assertThat(cascade.outlineLevel(paragraphs.get(0))).isEqualTo(1);
        assertThat(cascade.text(paragraphs.get(1), paragraphs.get(1).inlines().get(0).look()).get(TextProperty.COLOUR).hex()).isEqualTo("C80000");
        assertThat(cascade.text(paragraphs.get(3), paragraphs.get(3).inlines().get(0).look()).get(TextProperty.SIZE)).isEqualTo(9.0);
        ListLabels labels = ListLabels.of(document, cascade);
        assertThat(paragraphs.subList(4, 7)).extracting(labels::label).containsExactly("3.", "\u25E6", "4.");
        Table table = (Table) document.blocks().stream().filter(block -> block instanceof Table).findFirst().orElseThrow();
        assertThat(table.rows().get(0).cells().get(0).columnSpan()).isEqualTo(2);
        assertThat(table.rows().get(1).cells().get(0).rowSpan()).isEqualTo(2);
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("outside the page's file"));
        assertThat(document.facts().language()).isEqualTo("de");
    }

    /** EPUB 3.3 and OCF 3.3: the archive's first entry, well-formed chapters, navigation that leads somewhere. */
    @Test void makesBooksThatStandUpToTheRules() throws Exception {
        Document before = laidOut(PassengerHandbook.document());
        byte[] book = EpubWriter.write(before, WHEN).bytes();
        List<String> names = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(book))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                names.add(entry.getName());
                byte[] bytes = zip.readAllBytes();
                if (entry.getName().equals("mimetype")) assertThat(new String(bytes, StandardCharsets.US_ASCII)).isEqualTo("application/epub+zip");
                if (entry.getName().endsWith(".xhtml") || entry.getName().endsWith(".opf"))
                    assertThat(XmlReader.tree(new String(bytes, StandardCharsets.UTF_8).replace("<!DOCTYPE html>", "").getBytes(StandardCharsets.UTF_8),
                            entry.getName())).isNotNull();
            }
        }
        assertThat(names).startsWith("mimetype", "META-INF/container.xml").filteredOn(name -> name.contains("chapter")).hasSize(8);
        Document after = Formats.read(book, "handbook.epub", null, Progress.SILENT).document();
        assertThat(after.blocks()).filteredOn(block -> block instanceof Paragraph paragraph && Cascade.of(after).outlineLevel(paragraph) == 1).hasSize(7);
        checkBook(book);
    }

    /** Every document of the demo set, and one of each thing that may stand in a text, as a book by the rules of EPUB 3.3. */
    @Test void booksKeepTheRulesOfEpub() throws Exception {
        checkBook(EpubWriter.write(laidOut(HarbourNotice.document()), WHEN).bytes());
        Document everything = read("<title>All &amp; &lt;more&gt;</title><h3>Deep first</h3><h1>Top</h1><h1></h1><p>a<sup>b</sup><a href='#here'>to</a> "
                + "<a href='https://ferries.example/a b?c=\"d\"'>out</a> <a href='#nowhere'>dead</a><p id=here><table><tr><td colspan=2>x<tr><td>y<td>z"
                + "<table><tr><td>in</table></table><ol start=3 type=a><li>c<ul><li>d</ul></ol><p dir=rtl "
                        + "lang=ar>\u0633\u0644\u0627\u0645<p>\u0001&#11;&#xFFFE;"
                + "<img alt='a &quot;b&quot;' src='data:image/png;base64,"
                + "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAIAAACQd1PeAAAADElEQVQI12P4//8/AAX+Av7czFnnAAAAAElFTkSuQmCC'>",
                "all.html").document();
        checkBook(EpubWriter.write(laidOut(everything), WHEN).bytes());
    }

    /** EPUBCheck, in a process of its own. */
    private void checkBook(byte[] book) throws Exception {
        Path file = folder.resolve("book.epub");
        Files.write(file, book);
        Path checker = Path.of("..", "standards", "target", "epubcheck");
        Process process = new ProcessBuilder("java", "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-cp", checker + "/*",
                "com.adobe.epubcheck.tool.Checker", file.toString()).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        assertThat(said).contains("No errors or warnings detected");
    }

    /** CommonMark 0.31: headings, lists, emphasis, tables; signs of its own escaped. */
    @Test void keepsWordsAndTheirOrderInMarkdown() {
        Document before = laidOut(HarbourNotice.document());
        String text = new String(MarkdownWriter.write(before).bytes(), StandardCharsets.UTF_8);
        assertThat(text).contains("## What changes", "- Foot passengers board", "|Day|Printed|Sails at|Because of|");
        Document after = read(text, "notice.md").document();
        assertThat(after.blocks()).filteredOn(block -> block instanceof Table).hasSize(1);
        Document signs = read("# One *two*\n\nA \\*star\\* and `code`, **bold** [link](https://ferries.example)\n\n1. first\n2. second\n   - inner\n",
                "signs.md").document();
        assertThat(signs.blocks()).extracting(block -> ((Paragraph) block).plainText()).containsExactly("One two", "A *star* and code, bold link", "first",
                "second", "inner");
    }

    /** Written and read again by the CommonMark library: what it means comes back, whatever signs the words hold. */
    @Test void markdownThatIsWrittenIsReadAsTheSame() {
        String source = "# A *low* tide\n\nSay **no** and **_never_**, not ~~maybe~~; see [the table](https://ferries.example/t_a_b?x=1).\n\n"
                + "1. first \\# thing\n   - inner \\* one\n     - innermost\n   - inner two\n2. second\\\n   line\n\n"
                + "|a|b|\n|---|---|\n|1 \\| 2|*x*|\n\n1\\. is no list, \\> no quotation, a\\_b\\_c no emphasis\n";
        Document first = read(source, "first.md").document();
        String written = new String(MarkdownWriter.write(first).bytes(), StandardCharsets.UTF_8);
        String html = MARKDOWN.apply(source);
        assertThat(MARKDOWN.apply(written)).as(written).isEqualTo(html);
    }

    private static final UnaryOperator<String> MARKDOWN = text -> HtmlRenderer.builder().extensions(MarkdownReader.EXTENSIONS).build()
            .render(Parser.builder().extensions(MarkdownReader.EXTENSIONS).build().parse(text)).replaceAll("\\s+", " ");

    @Test void hostilePagesEndInASentenceOrAFinding() throws IOException {
        assertThat(read("<html>" + "<div>".repeat(5000) + "deep", "deep.html").findings()).extracting(Finding::what).anyMatch(what -> what.contains("deeper"));
        assertThat(read("<html><body><img src='data:image/png;base64,@@@'><table><tr><td colspan=99999 rowspan=99999>x</td></tr></table>", "odd.html")
                .document().blocks()).isNotEmpty();
        assertThatThrownBy(() -> Formats.read(zip("mimetype", "application/epub+zip"), "empty.epub", null, Progress.SILENT))
                .isInstanceOf(DecantException.class).hasMessageContaining("empty.epub is damaged");
    }

    private static byte[] zip(String name, String content) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry(name));
            zip.write(content.getBytes(StandardCharsets.US_ASCII));
            zip.closeEntry();
        }
        return bytes.toByteArray();
    }
}
