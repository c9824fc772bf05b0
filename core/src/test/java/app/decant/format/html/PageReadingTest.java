package app.decant.format.html;

import static app.decant.format.Reading.paragraph;
import static app.decant.format.Reading.paragraphs;
import static app.decant.format.Reading.run;
import static app.decant.format.Reading.texts;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.format.Formats;
import app.decant.format.Taken;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Web pages by HTML (WHATWG) and CSS 2.2, and Markdown by CommonMark 0.31, rule by rule. */
class PageReadingTest {
    private static final String PNG = "data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAIAAACQd1PeAAAADElEQVQI12P4//8/AAX+Av7czFnnAAAAAElFTkSuQmCC";

    private static Taken read(String text, String name) { return Formats.read(text.getBytes(StandardCharsets.UTF_8), name, null, Progress.SILENT); }
    private static Document page(String body) {
        return read("<!DOCTYPE html><html lang=en><head><meta charset=utf-8><title>t</title></head><body>" + body + "</body></html>", "page.html").document();
    }
    private static Document markdown(String text) { return read(text, "notes.md").document(); }

    /** CSS 2.2, 6.4.3: ids before classes before elements, then the later; important before all; the attribute before sheets. */
    @Test void theStrongestRuleWins() {
        Document document = page("<style>p { color: #111111 } .a { color: #222222 } #x { color: #333333 } p.b { color: #444444 } .b { color: #555555 } .c "
                + "{ color: #666666 !important } div > p em { color: #777777 } p, li { font-weight: bold }</style>"
                + "<p>plain</p><p class=a>klass</p><p class=a id=x>number</p><p class=b>longer</p><p class='c a' style='color: #888888'>urgent</p><p "
                        + "style='color: #999999'>own</p><div><p>within <em>deep</em></p></div>");
        assertThat(run(document, "plain").get(TextProperty.COLOUR).hex()).isEqualTo("111111");
        assertThat(run(document, "klass").get(TextProperty.COLOUR).hex()).isEqualTo("222222");
        assertThat(run(document, "number").get(TextProperty.COLOUR).hex()).isEqualTo("333333");
        assertThat(run(document, "longer").get(TextProperty.COLOUR).hex()).isEqualTo("444444");
        assertThat(run(document, "urgent").get(TextProperty.COLOUR).hex()).isEqualTo("666666");
        assertThat(run(document, "own").get(TextProperty.COLOUR).hex()).isEqualTo("999999");
        assertThat(run(document, "deep").get(TextProperty.COLOUR).hex()).isEqualTo("777777");
        assertThat(run(document, "deep").is(TextProperty.ITALIC) && run(document, "deep").is(TextProperty.BOLD)).isTrue();
    }

    /** CSS 2.2, 4.1.9, 4.2 and 7.2.1; Selectors 3, 6.6.7 and 9: what is broken ends at the next rule, what is for other media does not count. */
    @Test void sheetsAreReadAsTheyAreMeant() {
        Document document = page("<style><!-- /* p { color: #000001 } */ @import url(x.css); @charset 'utf-8'; p::before { content: '} p { color: #000002 }' }"
                + " @media print { p { color: #000003 } @page { margin: 0 } } @media all { p { color: #111111 } } b { color: ; } b { color #000004 }"
                + " p.note:not(#x) { color: rgb(100% 0% 0% / 50%) } p.note { color: #000005 } li:first-child { color: HSL(120, 100%, 25%) }"
                + " [lang^=de] { color: DarkSlateBlue } p:hover { color: #000006 } .f { color: #abcd; } @supports (a: b) { p { color: #000007 } } --></style>"
                + "<p>plain<p class=note>noted<ul><li>one<li>two</ul><p lang=de-AT>Wien<p class=f>short");
        assertThat(run(document, "plain").get(TextProperty.COLOUR).hex()).isEqualTo("111111");
        assertThat(run(document, "noted").get(TextProperty.COLOUR).hex()).isEqualTo("FF0000");
        assertThat(run(document, "one").get(TextProperty.COLOUR).hex()).isEqualTo("008000");
        assertThat(run(document, "two").get(TextProperty.COLOUR)).isNull();
        assertThat(run(document, "Wien").get(TextProperty.COLOUR).hex()).isEqualTo("483D8B");
        assertThat(run(document, "short").get(TextProperty.COLOUR).hex()).isEqualTo("AABBCC");
    }

    /** Sheets that are no sheets, or without end, cost no text. */
    @Test void brokenSheetsLoseNothing() {
        for (String sheet : List.of("{{{{".repeat(30_000), "a{b:c".repeat(20_000), "}}}}", "@media all {", "p { color: url(", "\\0 \u0000 \ufffe p{}",
                "a,".repeat(50_000) + "a{color:red}", "x{y:" + "(".repeat(20_000) + "}"))
            assertThat(texts(page("<style>" + sheet + "</style><p style='" + sheet.replace("'", "") + "'>kept"))).contains("kept");
    }

    /** CSS 2.2, 4.3.2 and 15.7: lengths by the size of the letters, shares, names of sizes and colours. */
    @Test void lengthsFollowTheLetters() {
        Document document = page("<div style='font-size: 20pt'><p style='font-size: 50%; margin-left: 2em; text-indent: 1em; line-height: 1.5'>half</p><p "
                + "style='font-size: 1.5em; text-align: right'>more</p></div><p style='font-size: 16px; color: red; background-color: rgb(255, 255, 0); "
                + "font-family: \"Carlito\", sans-serif'>pixels</p><p style='letter-spacing: 1pt; text-transform: uppercase; font-variant: small-caps; "
                + "text-decoration: underline line-through'>dressed</p>");
        assertThat(run(document, "half").get(TextProperty.SIZE)).isEqualTo(10);
        assertThat(paragraph(document, 0).get(ParagraphProperty.INDENT_START)).isEqualTo(20);
        assertThat(paragraph(document, 0).get(ParagraphProperty.FIRST_LINE)).isEqualTo(10);
        assertThat(run(document, "more").get(TextProperty.SIZE)).isEqualTo(30);
        assertThat(paragraph(document, 1).get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.END);
        assertThat(run(document, "pixels").get(TextProperty.SIZE)).isEqualTo(12);
        assertThat(run(document, "pixels").get(TextProperty.COLOUR).hex()).isEqualTo("FF0000");
        assertThat(run(document, "pixels").get(TextProperty.FAMILY)).isEqualTo("Carlito");
        Look dressed = run(document, "dressed");
        assertThat(dressed.get(TextProperty.LETTER_SPACING)).isEqualTo(1);
        assertThat(dressed.is(TextProperty.CAPITALS) && dressed.is(TextProperty.SMALL_CAPITALS) && dressed.is(TextProperty.STRIKE)).isTrue();
        assertThat(dressed.get(TextProperty.UNDERLINE)).isEqualTo(TextProperty.Underline.SINGLE);
    }

    /** HTML, 4.4.3 and 4.5: white space collapses but not where it is kept; elements that mean something look like it. */
    @Test void wordsMeanWhatTheirElementsSay() {
        Document document = page("<p>  a \n b<b> c</b><br>d <!-- no --> e</p><pre>x  y\n  z</pre><p>H<sub>2</sub>O m<sup>2</sup> <code>mono</code> "
                + "<del>gone</del> <ins>new</ins> <mark>lit</mark> <q>said</q> <abbr "
                + "title=x>abbr</abbr></p><blockquote><p>quoted</p></blockquote><dl><dt>term</dt><dd>meaning</dd></dl><hr><p>&eacute;&#x20AC;&nbsp;!</p>");
        assertThat(texts(document)).startsWith("a b c\nd e").anyMatch(text -> text.contains("x  y\n  z")).contains("quoted", "term", "meaning", "é€\u00A0!");
        assertThat(run(document, "2").get(TextProperty.SCRIPT)).isEqualTo(TextProperty.Script.SUB);
        assertThat(run(document, "mono").get(TextProperty.FAMILY)).containsIgnoringCase("mono");
        assertThat(run(document, "gone").is(TextProperty.STRIKE)).isTrue();
        assertThat(run(document, "new").get(TextProperty.UNDERLINE)).isEqualTo(TextProperty.Underline.SINGLE);
        assertThat(run(document, "lit").get(TextProperty.HIGHLIGHT)).isNotNull();
        int quoted = texts(document).indexOf("quoted");
        assertThat(paragraph(document, quoted).get(ParagraphProperty.INDENT_START)).isGreaterThan(10);
        assertThat(paragraph(document, texts(document).indexOf("meaning")).get(ParagraphProperty.INDENT_START)).isGreaterThan(10);
    }

    /** HTML, 4.4.5 to 4.4.8: kinds of numbers, where they start, items with a value of their own. */
    @Test void listsCountAsTheyAreTold() {
        Document document = page("<ol type=a><li>one<li>two</ol><ol start=4><li>four<li value=9>nine<li>ten</ol><ul><li>dot<ol "
                + "type=I><li>inner</ol></ul><ol reversed><li>x</ol>");
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        List<String> all = paragraphs(document).stream().map(labels::label).toList();
        assertThat(all.subList(0, 5)).containsExactly("a.", "b.", "4.", "9.", "10.");
        assertThat(all.get(5)).isIn("•", "\u2022");
        assertThat(all.get(6)).isEqualTo("I.");
    }

    /** HTML, 4.9: groups of rows, widths of columns, spans, captions. */
    @Test void tablesKeepTheirShape() {
        Document document = page("<table style='border-collapse: collapse'><caption>Fares</caption><colgroup><col style='width: 72pt'><col style='width: "
                + "144pt'></colgroup><thead><tr><th>Pier<th>Fare</thead><tfoot><tr><td colspan=2>foot</tfoot><tbody><tr><td rowspan=2 style='background: "
                + "#ffff00; border: 1pt solid #c80000; vertical-align: middle; padding: 3pt'>Tolm<td align=right>12<tr><td>14</tbody></table><p>after</p>");
        Table table = (Table) document.blocks().stream().filter(block -> block instanceof Table).findFirst().orElseThrow();
        assertThat(texts(document)).contains("Fares", "after");
        assertThat(table.columns().get(1) / table.columns().get(0)).isCloseTo(2, within(0.05));
        assertThat(table.rows()).hasSize(4);
        assertThat(table.rows().get(0).look().is(TableProperty.HEADER_ROW)).isTrue();
        assertThat(((Paragraph) table.rows().get(3).cells().get(0).blocks().get(0)).plainText()).as("the foot comes last").isEqualTo("foot");
        Table.Cell tall = table.rows().get(1).cells().get(0);
        assertThat(tall.rowSpan()).isEqualTo(2);
        assertThat(tall.look().get(TableProperty.SHADING).hex()).isEqualTo("FFFF00");
        assertThat(tall.look().get(TableProperty.BORDERS).left().colour().hex()).isEqualTo("C80000");
        assertThat(table.rows().get(2).cells()).singleElement().satisfies(cell -> assertThat(cell.column()).isEqualTo(1));
    }

    /** HTML, 4.8.4: pictures inside the page come in, with their size and words; what lies outside is told and not fetched. */
    @Test void picturesInsideComeIn() {
        Taken taken = read("<!DOCTYPE html><p><img src='" + PNG
                + "' width=96 height=48 alt='A ship'> <img src='https://elsewhere.example/a.png' alt='Gull'></p><svg><circle r=4 /></svg><iframe "
                + "src='https://elsewhere.example/'></iframe><form><input value=x></form>", "page.html");
        Inline.InlinePicture picture = paragraphs(taken.document()).get(0).inlines().stream().filter(inline -> inline instanceof Inline.InlinePicture)
                .map(inline -> (Inline.InlinePicture) inline).findFirst().orElseThrow();
        assertThat(List.of(picture.picture().width(), picture.picture().height())).containsExactly(72.0, 36.0);
        assertThat(picture.picture().description()).isEqualTo("A ship");
        assertThat(texts(taken.document()).get(0)).contains("Gull");
        assertThat(taken.findings()).isNotEmpty().allSatisfy(finding -> assertThat(finding.what()).endsWith("."));
    }

    /** HTML, 13.2.3: the letters' code is told by the file's beginning, by the page, or is guessed. */
    @Test void lettersAreReadByTheirCode() {
        String page = "<html><head><meta charset='%s'></head><body><p>Fähre Łódź</p></body></html>";
        for (String code : List.of("utf-8", "iso-8859-2", "utf-16")) {
            byte[] file = page.formatted(code).getBytes(Charset.forName(code));
            assertThat(texts(Formats.read(file, "page.html", null, Progress.SILENT).document())).as(code).containsExactly("Fähre Łódź");
        }
        byte[] old = ("<html><head><meta http-equiv='Content-Type' content='text/html; charset=windows-1252'></head>"
                + "<body><p>„Fähre“ – 5 €</p></body></html>").getBytes(Charset.forName("windows-1252"));
        assertThat(texts(Formats.read(old, "page.html", null, Progress.SILENT).document())).containsExactly("„Fähre“ – 5 €");
    }

    /** CommonMark 0.31, 4 to 6: headings of both kinds, breaks, emphasis, code, links of all kinds. */
    @Test void markdownIsReadAsItsRulesSay() {
        Document document = markdown("Title\n=====\n\nSub\n---\n\n### Third ###\n\nsoft\nbreak, hard  \nbreak, *i* **b** ***both*** `a * b` ~~gone~~ "
                + "\\*not\\* &copy;\n\n[in](#sub) <https://ferries.example> [ref][r] ![A ship](" + PNG
                + ")\n\n[r]: https://ref.example \"t\"\n\n> quoted\n> on\n\n    code  kept\n\n***\n\nend\n");
        Cascade cascade = Cascade.of(document);
        assertThat(paragraphs(document)).filteredOn(one -> cascade.outlineLevel(one) > 0).extracting(cascade::outlineLevel).containsExactly(1, 2, 3);
        assertThat(texts(document)).contains("Title", "Sub", "Third", "soft break, hard\nbreak, i b both a * b gone *not* ©", "quoted on", "code  kept", "end");
        assertThat(run(document, "both").is(TextProperty.BOLD) && run(document, "both").is(TextProperty.ITALIC)).isTrue();
        assertThat(run(document, "gone").is(TextProperty.STRIKE)).isTrue();
        assertThat(run(document, "a * b").get(TextProperty.FAMILY)).containsIgnoringCase("mono");
        assertThat(run(document, "https://ferries").get(TextProperty.LINK)).isEqualTo(new Link.Address("https://ferries.example"));
        assertThat(run(document, "ref").get(TextProperty.LINK)).isEqualTo(new Link.Address("https://ref.example"));
        assertThat(document.blocks().stream().filter(block -> block instanceof Paragraph).flatMap(block -> ((Paragraph) block).inlines().stream()))
                .anyMatch(inline -> inline instanceof Inline.InlinePicture);
    }

    /** CommonMark 0.31, 5.2 to 5.3; tables as several programs write them: alignment by colons. */
    @Test void markdownListsAndTables() {
        Document document = markdown("3. three\n   - inner\n\n     goes on\n4. four\n\n* loose\n\n* items\n\n| Pier | Fare |\n|:-----|-----:|\n| Tolm | 12 "
                + "|\n| a \\| b | *x* |\n");
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        List<Paragraph> all = paragraphs(document);
        assertThat(all.stream().limit(6).map(Paragraph::plainText)).containsExactly("three", "inner", "goes on", "four", "loose", "items");
        assertThat(labels.label(all.get(0))).isEqualTo("3.");
        assertThat(labels.label(all.get(1))).isNotBlank();
        assertThat(labels.label(all.get(2))).as("a second paragraph of an item has no sign").isNull();
        assertThat(labels.label(all.get(3))).isEqualTo("4.");
        Block block = document.blocks().stream().filter(one -> one instanceof Table).findFirst().orElseThrow();
        Table table = (Table) block;
        assertThat(table.rows().get(0).look().is(TableProperty.HEADER_ROW)).isTrue();
        Paragraph fare = (Paragraph) table.rows().get(1).cells().get(1).blocks().get(0);
        assertThat(Cascade.of(document).paragraph(fare).get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.END);
        assertThat(((Paragraph) table.rows().get(2).cells().get(0).blocks().get(0)).plainText()).isEqualTo("a | b");
    }
}
