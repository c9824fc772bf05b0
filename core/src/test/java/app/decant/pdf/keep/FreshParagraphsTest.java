package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.TextProperty;
import app.decant.edit.Change;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.HandmadePage;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Paragraphs put in beside ones that are set otherwise, such as text below a heading. Streams written by hand, read back by PDFBox. */
class FreshParagraphsTest {
    private static final List<String> TEXT = List.of("The harbour office opens at eight in the morning, and in summer at seven already, whatever the",
            "tide is, since the boats to the islands are loaded then, and nobody is to wait on the pier for want",
            "of a ticket or a cup of tea.");
    private static final String NEW = "Children travel free of charge until they go to school, and at half the fare after that, as long as they have somebody"
            + " with them who has paid for a whole ticket.";
    private static final double LEFT = 72;

    @TempDir private Path root;
    private Path source;
    private Taken taken;

    /** A line as it is read back. */
    private record Line(double left, double baseline, String font, double size, String text) { }

    private static String heading(double y, String words) { return "BT /H 16 Tf 0 0 0.6 rg 1 0 0 1 " + LEFT + " " + y + " Tm (" + words + ") Tj 0 g ET\n"; }

    private static String text(double y, List<String> lines) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < lines.size(); i++)
            text.append("BT /T 1 Tf 11 0 0 11 ").append(LEFT).append(' ').append(y - 13 * i).append(" Tm (").append(lines.get(i)).append(") Tj ET\n");
        return text.toString();
    }

    @BeforeEach void file() throws IOException {
        file(heading(770, "Opening hours") + text(748, TEXT) + heading(690, "Bicycles and dogs") + text(668, TEXT) + heading(610, "Fares")
                + heading(580, "Winter") + text(558, TEXT), heading(770, "The last page"));
    }

    private void file(String... pages) throws IOException {
        source = root.resolve("source.pdf");
        try (PDDocument pdf = new PDDocument()) {
            for (String content : pages) {
                PDResources resources = new PDResources();
                resources.put(COSName.getPDFName("H"), new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD));
                if (content.contains("/T ")) resources.put(COSName.getPDFName("T"), new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN));
                HandmadePage.add(pdf, resources, content);
            }
            pdf.save(source.toFile());
        }
        taken = Decant.open(source);
    }

    /** Writes on in another paragraph behind one that ends with some words. */
    private static Document behind(Document document, String words, String said) {
        Change parted = Typing.breakParagraph(document, TextSelection.caret(CorrectedFile.find(document, words).end()));
        return said.isEmpty() ? parted.after() : Typing.type(parted.after(), parted.picked(), said, null).after();
    }

    private Made made(Document now) { return new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN); }

    private static List<Line> lines(Path file, int page) throws IOException {
        TreeMap<Double, List<TextPosition>> rows = new TreeMap<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    rows.computeIfAbsent(Math.round(text.getYDirAdj() * 10) / 10.0, key -> new ArrayList<>()).add(text);
                }
            };
            stripper.setStartPage(page);
            stripper.setEndPage(page);
            stripper.getText(pdf);
        }
        List<Line> lines = new ArrayList<>();
        rows.forEach((baseline, letters) -> {
            StringBuilder text = new StringBuilder();
            letters.forEach(letter -> text.append(letter.getUnicode()));
            TextPosition first = letters.get(0);
            lines.add(new Line(first.getXDirAdj(), baseline, first.getFont().getName(), first.getFontSizeInPt(), text.toString().strip()));
        });
        return lines;
    }

    private static String said(List<Line> lines) { return String.join(" ", lines.stream().map(Line::text).toList()); }

    /** How wide letters of a stand-in have to be to end lines where the page does is no matter of the page. */
    @Test void headingsInNarrowedLettersAreNoHindrance() throws IOException {
        String narrow = "BT /H 16 Tf 88 Tz 1 0 0 1 72 770 Tm (The last page of the timetable for the winter, and all that goes with it) Tj ET\n";
        file(heading(770, "Opening hours") + text(748, TEXT) + text(690, TEXT), narrow);
        Made made = made(behind(taken.document(), "goes with it", "Children travel free of charge."));
        assertThat(made.pages().isOwn(1)).as("%s", made.findings()).isTrue();
        List<Line> lines = lines(made.receipt().file(), 2);
        assertThat(lines).hasSize(2);
        assertThat(lines.get(1).text()).isEqualTo("Children travel free of charge.");
        assertThat(lines.get(1).size()).isEqualTo(11, within(0.1));
    }

    /** In the letters of text, as far below the heading as text stands, and between the edges of the column; what follows goes down with its heading. */
    @Test void textIsPutInBelowAHeading() throws IOException {
        List<Line> before = lines(source, 1);
        Made made = made(behind(taken.document(), "Bicycles and dogs", NEW));
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<Line> after = lines(made.receipt().file(), 1);
        assertThat(after.subList(0, 5)).isEqualTo(before.subList(0, 5));
        List<Line> fresh = after.subList(5, 7);
        assertThat(said(fresh)).isEqualTo(NEW);
        assertThat(fresh).allSatisfy(line -> {
            assertThat(line.font()).isEqualTo("Times-Roman");
            assertThat(line.size()).isEqualTo(11, within(0.01));
            assertThat(line.left()).isEqualTo(LEFT, within(0.01));
        });
        assertThat(fresh.get(0).baseline() - after.get(4).baseline()).isEqualTo(22, within(0.1));
        assertThat(fresh.get(1).baseline() - fresh.get(0).baseline()).isEqualTo(13, within(0.1));
        // What stood there goes on below it, as it was.
        double down = after.get(7).baseline() - before.get(5).baseline();
        assertThat(down).isGreaterThan(2 * 13 - 0.1);
        for (int i = 5; i < before.size(); i++) {
            Line was = before.get(i);
            Line is = after.get(i + 2);
            assertThat(is.text() + is.font() + is.size()).isEqualTo(was.text() + was.font() + was.size());
            assertThat(is.left()).isEqualTo(was.left(), within(0.01));
            assertThat(is.baseline() - was.baseline()).isEqualTo(down, within(0.11));
        }
    }

    /** Where only another heading follows, it goes behind the one it is below, in letters that stand elsewhere on the page. */
    @Test void textIsPutInBetweenHeadings() throws IOException {
        List<Line> before = lines(source, 1);
        Made made = made(behind(taken.document(), "Fares", "Ask for them on board."));
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<Line> after = lines(made.receipt().file(), 1);
        Line fresh = after.get(9);
        assertThat(fresh.text()).isEqualTo("Ask for them on board.");
        assertThat(fresh.font()).isEqualTo("Times-Roman");
        assertThat(fresh.size()).isEqualTo(11, within(0.01));
        assertThat(fresh.baseline() - after.get(8).baseline()).isEqualTo(22, within(0.1));
        // The next heading stands as far below it as headings do below text.
        assertThat(after.get(10).text()).isEqualTo("Winter");
        assertThat(after.get(10).font()).isEqualTo("Helvetica-Bold");
        assertThat(after.get(10).baseline() - fresh.baseline()).isEqualTo(before.get(4).baseline() - before.get(3).baseline(), within(0.2));
    }

    /** A page that shows no such letters gets a face like those of the others, which is told. */
    @Test void onAPageOfNothingElseAFaceHelpsOut() throws IOException {
        Made made = made(behind(taken.document(), "The last page", "There is nothing more to say."));
        assertThat(made.pages().rewritten(1)).as("%s", made.findings()).isNotNull();
        assertThat(made.pages().isOwn(0)).isTrue();
        List<Line> after = lines(made.receipt().file(), 2);
        assertThat(after.get(0).text()).isEqualTo("The last page");
        assertThat(after.get(1).text()).isEqualTo("There is nothing more to say.");
        assertThat(after.get(1).font()).containsIgnoringCase("serif");
        assertThat(after.get(1).size()).isEqualTo(11, within(0.01));
        assertThat(made.findings()).anyMatch(finding -> finding.contains("There"));
    }

    /** What stands on both sides may be edited as well. */
    @Test void itsNeighboursMayBeEditedToo() throws IOException {
        Document now = behind(taken.document(), "Opening hours", NEW);
        now = Typing.type(now, CorrectedFile.find(now, "Opening"), "Office", null).after();
        now = Typing.type(now, CorrectedFile.find(now, "harbour"), "ticket", null).after();
        Made made = made(now);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<Line> after = lines(made.receipt().file(), 1);
        assertThat(after.get(0).text()).isEqualTo("Office hours");
        assertThat(said(after.subList(1, 3))).isEqualTo(NEW);
        assertThat(said(after.subList(3, 6))).isEqualTo(String.join(" ", TEXT).replace("harbour", "ticket"));
    }

    /** Nothing is set anew for a paragraph that says nothing yet; what follows makes room for it. */
    @Test void aParagraphBeginsWithoutWords() throws IOException {
        List<Line> before = lines(source, 1);
        Made made = made(behind(taken.document(), "Opening hours", ""));
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<Line> after = lines(made.receipt().file(), 1);
        assertThat(after.get(0)).isEqualTo(before.get(0));
        assertThat(after.get(1).text()).isEqualTo(before.get(1).text());
        assertThat(after.get(1).baseline() - before.get(1).baseline()).isGreaterThan(12);
    }

    /** What a page has no room for goes over to the next, letters and all. */
    @Test void itGoesOverWhereThePageIsFull() throws IOException {
        StringBuilder full = new StringBuilder();
        for (int i = 0; i < 14; i++) full.append(text(770 - 50 * i, TEXT));
        file(full + heading(66, "Notices"), text(770, TEXT.subList(1, 3)) + heading(712, "More") + text(690, TEXT));
        Made made = made(behind(taken.document(), "Notices", NEW));
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<Line> next = lines(made.receipt().file(), 2);
        assertThat(next.get(0).text()).as("a heading is not left behind").isEqualTo("Notices");
        assertThat(said(next.subList(1, 3)).replace(" ", "")).isEqualTo(NEW.replace(" ", ""));
        assertThat(next.get(1).font()).isEqualTo("Times-Roman");
        assertThat(lines(made.receipt().file(), 1)).hasSize(42);
    }

    /** Each of two has room by itself, both have not: what goes down for both goes over, though a rule is the last that the page shows. */
    @Test void twoOnAPageAreCountedTogether() throws IOException {
        StringBuilder full = new StringBuilder(heading(770, "Tickets") + text(748, TEXT) + heading(690, "Dogs") + text(668, TEXT));
        for (int y = 610; y > 140; y -= 50) full.append(text(y, TEXT));
        StringBuilder next = new StringBuilder(text(770, TEXT.subList(1, 3)));
        for (int y = 736; y > 90; y -= 50) next.append(text(y, TEXT));
        file(full + "1 w 72 126 m 300 126 l S\n", next.toString(), text(770, TEXT.subList(0, 2)) + heading(700, "The end"));
        Document now = behind(behind(taken.document(), "Tickets", NEW), "Dogs", NEW.replace("Children", "Puppies"));
        Made made = made(now);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<Line> first = lines(made.receipt().file(), 1);
        assertThat(said(first)).contains("Tickets " + NEW, "Dogs Puppies travel");
        String all = said(first) + said(lines(made.receipt().file(), 2)) + said(lines(made.receipt().file(), 3));
        String before = said(lines(source, 1)) + said(lines(source, 2)) + said(lines(source, 3));
        assertThat(all.replace(" ", "")).hasSize(before.replace(" ", "").length() + 2 * NEW.replace(" ", "").length() - 1);
        for (int i = 1; i < first.size(); i++) assertThat(first.get(i).baseline() - first.get(i - 1).baseline()).isGreaterThan(12.5);
    }

    /** A word in another font is set in its place, its line around it. */
    @Test void aWordGetsAnotherFont() throws IOException {
        Made made = new CorrectedFile(root).dress(source, "islands", look -> look.with(TextProperty.FAMILY, "Helvetica").with(TextProperty.BOLD, true));
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<String> fonts = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) { fonts.add(text.getUnicode() + text.getFont().getName()); }
            }.getText(pdf);
        }
        assertThat(String.join(" ", fonts)).contains("iHelvetica-Bold sHelvetica-Bold lHelvetica-Bold aHelvetica-Bold");
        assertThat(said(lines(made.receipt().file(), 1))).isEqualTo(said(lines(source, 1)));
    }
}
