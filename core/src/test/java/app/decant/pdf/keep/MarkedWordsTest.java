package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Colour;
import app.decant.document.TextProperty;
import app.decant.pdf.keep.CorrectedFile.Made;
import java.awt.geom.GeneralPath;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is drawn with words, and what they lead to, goes where they go: to the next line, and over two. Painted and read by PDFBox. */
class MarkedWordsTest {
    private static final String WORDS = "BT /F1 11 Tf 72 700 Td 14 TL (Ask at the pier for the winter timetable of all the ships, or ask the) Tj T* (captain of"
            + " yours.) Tj ET\n";

    private static final String LONGER = "Whenever you come, and wherever you are going to, whatever the weather is like on that day and on the day"
            + " after, ask the crew, or whoever there is,";

    @TempDir private Path root;

    /** Words of 11 points whose first line has underlined, struck and lit ones. */
    private Path marked() throws IOException {
        Path plain = new CorrectedFile(root).file(WORDS);
        double[] pier = reach(plain, "pier");
        double[] winter = reach(plain, "winter");
        double[] ships = reach(plain, "ships");
        String lines = "0.9 0.9 0.2 rg %.2f 697.5 %.2f 11 re f 0 g%n%s0.2 0.2 0.8 rg %.2f 698.6 %.2f 0.6 re f 0 g%n"
                + "0.5 w 0.8 0 0 RG %.2f 703.3 m %.2f 703.3 l S%n";
        return new CorrectedFile(root).file(String.format(Locale.ROOT, lines, winter[0], winter[1] - winter[0], WORDS,
                pier[0], pier[1] - pier[0], ships[0], ships[1]));
    }

    private static double[] reach(Path file, String words) throws IOException {
        List<TextPosition> letters = DressedWordsTest.letters(file, words);
        TextPosition last = letters.get(letters.size() - 1);
        return new double[] {letters.get(0).getXDirAdj(), last.getXDirAdj() + last.getWidthDirAdj()};
    }

    private Made correct(Path source, String word, String other) {
        Made made = new CorrectedFile(root).correct(source, word, other);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        return made;
    }

    private static double place(Path file, String words) throws IOException { return DressedWordsTest.letters(file, words).get(0).getYDirAdj(); }

    /** The share of a line or an area that is painted with some words. */
    private static double drawn(Path file, String words, double above, int rgb) throws IOException {
        return DressedWordsTest.drawn(file, words, above, rgb);
    }

    @Test void linesAndAreasGoWithTheirWordsToAnotherLine() throws IOException {
        Path source = marked();
        assertThat(drawn(source, "pier", -1.1, 0x3333CC)).as("the test's own file").isGreaterThan(0.9);
        Path file = correct(source, "Ask", "Whenever you come, and wherever you are going to, ask").receipt().file();
        assertThat(place(file, "ships")).isGreaterThan(place(file, "Whenever") + 10);
        assertThat(drawn(file, "pier", -1.1, 0x3333CC)).isGreaterThan(0.9);
        assertThat(drawn(file, "winter", 8.8, 0xE6E633)).isGreaterThan(0.9);
        assertThat(drawn(file, "Whenever", -1.1, 0x3333CC)).isLessThan(0.05);
        assertThat(drawn(file, "ships", 3.3, 0xCC0000)).as("a line through words, drawn as a stroke").isGreaterThan(0.8);
        assertThat(drawn(file, "captain", -1.1, 0x3333CC)).isLessThan(0.05);
        // Nothing is left where they were.
        assertThat(drawn(file, "come, and", 8.8, 0xE6E633)).isLessThan(0.05);
    }

    @Test void linesAndAreasAreTakenAwayOrGetAnotherColour() throws IOException {
        Path source = marked();
        Made made = new CorrectedFile(root).dress(source, "winter", look -> look.with(TextProperty.HIGHLIGHT, new Colour(0x80FF80)));
        Path green = made.receipt().file();
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(drawn(green, "winter", 8.8, 0x80FF80)).isGreaterThan(0.9);
        Made plain = new CorrectedFile(root).dress(source, "ships", look -> look.without(TextProperty.STRIKE));
        assertThat(plain.pages().rewritten(0)).as("%s", plain.findings()).isNotNull();
        assertThat(drawn(plain.receipt().file(), "ships", 3.3, 0xCC0000)).as("but for the letters themselves").isLessThan(0.4);
        assertThat(CorrectedFile.letters(plain.receipt().file(), 0).stream().filter(letter -> letter.charAt(0) != ' ')).as("no letter moves")
                .containsExactlyElementsOf(CorrectedFile.letters(source, 0).stream().filter(letter -> letter.charAt(0) != ' ').toList());
    }

    /** What is drawn for a row and its cells is theirs, however closely a word fits its cell. */
    @Test void areasAndRulesOfRowsStay() throws IOException {
        String row = "0.9 0.9 0.2 rg 70 696 27 12.4 re f 0.2 0.2 0.8 rg 70 695.8 270 0.6 re f 0 g\n";
        Path source = new CorrectedFile(root).file(row + "BT /F1 11 Tf 71.5 700 Td (Total) Tj 50 0 Td (fares) Tj 90 0 Td (piers) Tj ET\n");
        assertThat(CorrectedFile.stream(correct(source, "Total", "Ttalo").receipt().file(), 0)).contains(row.strip());
        assertThat(CorrectedFile.stream(correct(source, "fares", "fees").receipt().file(), 0)).contains(row.strip());
    }

    /** ISO 32000-2, 14.9.4: some writers say of each ligature in other words what its font says of it as well. */
    @Test void lettersThatAreToldTwiceCanBeChanged() throws IOException {
        String told = "/Span <</ActualText (q)>> BDC (q) Tj EMC";
        Path source = new CorrectedFile(root).file("BT /F1 11 Tf 72 700 Td 14 TL (Ask at the ) Tj " + told + " (uay for the winter timetable of all the) Tj T*"
                + " (ships, or ask the captain of yours.) Tj ET\n");
        assertThat(CorrectedFile.stream(correct(source, "Ask", "Sak").receipt().file(), 0)).as("it is where it was").contains("ActualText");
        Path other = correct(source, "quay", "pier").receipt().file();
        assertThat(CorrectedFile.stream(other, 0)).doesNotContain("ActualText");
        assertThat(CorrectedFile.text(other)).contains("Ask at the pier for the winter");
        assertThat(CorrectedFile.text(correct(source, "Ask", "Whenever you come, and wherever you are going to, ask").receipt().file()).replaceAll("\\s+", " "))
                .contains("ask at the quay for the winter timetable");
        Path differing = new CorrectedFile(root).file("BT /F1 11 Tf 72 700 Td (Ask at the ) Tj /Span <</ActualText (k)>> BDC (q) Tj EMC (uay.) Tj ET\n");
        assertThat(new CorrectedFile(root).correct(differing, "kuay", "pier").findings()).as("what says another thing than it shows").isNotEmpty();
    }

    private Path linked(String said) throws IOException {
        Path plain = marked();
        Path source = root.resolve("linked.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            PDAnnotationLink link = new PDAnnotationLink();
            double[] words = reach(plain, said);
            link.setRectangle(new PDRectangle((float) words[0], 697, (float) (words[1] - words[0]), 12));
            link.setAction(new PDActionURI());
            ((PDActionURI) link.getAction()).setURI("https://ferries.example/");
            pdf.getPage(0).setAnnotations(List.<PDAnnotation>of(link));
            pdf.save(source.toFile());
        }
        return source;
    }

    @Test void linksGoAlongOnTheirLineAndAreGoneWithTheirWords() throws IOException {
        Path source = linked("timetable of all the");
        Path file = correct(source, "all", "most").receipt().file();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDRectangle area = pdf.getPage(0).getAnnotations().get(0).getRectangle();
            double[] words = reach(file, "timetable of most the");
            assertThat((double) area.getLowerLeftX()).isCloseTo(words[0], within(0.6));
            assertThat((double) area.getUpperRightX()).isCloseTo(words[1], within(0.6));
        }
        Made made = new CorrectedFile(root).correct(source, "timetable of all the", "");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(made.receipt().proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            assertThat(pdf.getPage(0).getAnnotations()).isEmpty();
        }
    }

    @Test void linksAreWhereTheirWordsAreOnTwoLinesToo() throws IOException {
        Path source = linked("timetable of all the ships");
        Path file = correct(source, "Ask", "Wherever you go, ask").receipt().file();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDAnnotationLink link = (PDAnnotationLink) pdf.getPage(0).getAnnotations().get(0);
            COSArray corners = link.getCOSObject().getCOSArray(COSName.QUADPOINTS);
            assertThat(corners.size()).as("two lines").isEqualTo(16);
            List<Double> tops = new ArrayList<>();
            for (int i = 1; i < 16; i += 8) tops.add((double) ((COSNumber) corners.getObject(i)).floatValue());
            for (String words : List.of("timetable of", "the ships")) {
                List<TextPosition> letters = DressedWordsTest.letters(file, words);
                double height = PDRectangle.A4.getHeight() - letters.get(0).getYDirAdj();
                assertThat(tops).as(words).anySatisfy(top -> assertThat(top).isCloseTo(height + 9, within(0.1)));
                assertThat(link.getRectangle().contains(letters.get(2).getXDirAdj(), (float) height + 2)).isTrue();
            }
            assertThat(((PDActionURI) link.getAction()).getURI()).isEqualTo("https://ferries.example/");
        }
    }

    /** A shaded panel, a frame in one piece and one of four lines, each with a paragraph in it; a bar beside all of them that ends lower stays as it is. */
    @Test void panelsAndFramesGrowAndShrinkWithWhatTheyHold() throws IOException {
        for (String box : List.of("0.8 0.9 1 rg 66 665 420 52 re f 0 g\n", "0.4 w 66 665 420 52 re S\n",
                "0.4 w 66 717 m 486 717 l S 66 665 m 486 665 l S 66 665 m 66 717 l S 486 665 m 486 717 l S\n", "q 1 0 0 1 6 5 cm 60 660 420 52 re B Q\n")) {
            String bar = "0.6 0.6 0.6 rg 52 400 4 330 re f 0 g\n";
            Path source = new CorrectedFile(root).file(bar + box + WORDS);
            Path file = correct(source, "Ask", LONGER).receipt().file();
            List<Rectangle2D> was = boxes(source);
            List<Rectangle2D> is = boxes(file);
            assertThat(is).as(box).hasSameSizeAs(was);
            assertThat(is.get(0)).as("the bar").isEqualTo(was.get(0));
            Rectangle2D before = was.stream().skip(1).reduce(Rectangle2D::createUnion).orElseThrow();
            Rectangle2D after = is.stream().skip(1).reduce(Rectangle2D::createUnion).orElseThrow();
            double longer = place(file, "captain") - place(source, "captain");
            assertThat(longer).isGreaterThan(13);
            assertThat(after.getMaxY()).as(box).isCloseTo(before.getMaxY(), within(0.01));
            assertThat(after.getMinY()).as(box).isCloseTo(before.getMinY() - longer, within(0.05));
            assertThat(place(file, "harbour office")).isCloseTo(place(source, "harbour office") + longer, within(0.05));
            Path again = correct(file, LONGER, "Ask").receipt().file();
            Rectangle2D back = boxes(again).stream().skip(1).reduce(Rectangle2D::createUnion).orElseThrow();
            assertThat(back.getMinY()).as(box).isCloseTo(before.getMinY(), within(0.1));
        }
    }

    /** What is drawn beside words holds none of them: it is neither made longer nor does it forbid that they go on. */
    @Test void drawingsBesideWordsStayAsTheyAre() throws IOException {
        Path plain = new CorrectedFile(root).file(WORDS);
        double right = reach(plain, "ask the")[1];
        for (String drawn : List.of("0 0.5 0 rg %1$.2f 660 m %2$.2f 704 l %2$.2f 672 l f 0 g\n", "0.6 0.9 0.6 rg %1$.2f 668 24 36 re f 0 g\n")) {
            Path source = new CorrectedFile(root).file(String.format(Locale.ROOT, drawn, right + 6, right + 30) + WORDS);
            List<Rectangle2D> was = boxes(source);
            Path file = correct(source, "captain of yours.", "captain of yours, or whoever stands at the gangway when the ship is about to leave, and there is"
                    + " always somebody.").receipt().file();
            assertThat(boxes(file)).as(drawn).isEqualTo(was);
            assertThat(place(file, "harbour office")).isGreaterThan(place(source, "harbour office") + 13);
        }
    }

    /** Around each path that a page paints, as PDFBox follows it. */
    private static List<Rectangle2D> boxes(Path file) throws IOException {
        List<Rectangle2D> boxes = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            new PDFGraphicsStreamEngine(pdf.getPage(0)) {
                private final GeneralPath path = new GeneralPath();

                @Override public void appendRectangle(Point2D a, Point2D b, Point2D c, Point2D d) {
                    moveTo((float) a.getX(), (float) a.getY());
                    for (Point2D one : List.of(b, c, d)) path.lineTo(one.getX(), one.getY());
                    path.closePath();
                }

                @Override public void moveTo(float x, float y) { path.moveTo(x, y); }
                @Override public void lineTo(float x, float y) { path.lineTo(x, y); }
                @Override public void curveTo(float a, float b, float c, float d, float x, float y) { path.curveTo(a, b, c, d, x, y); }
                @Override public Point2D getCurrentPoint() { return path.getCurrentPoint(); }
                @Override public void closePath() { path.closePath(); }
                @Override public void endPath() { path.reset(); }
                @Override public void clip(int rule) { }
                @Override public void drawImage(PDImage image) { }
                @Override public void shadingFill(COSName name) { }
                @Override public void strokePath() { painted(); }
                @Override public void fillPath(int rule) { painted(); }
                @Override public void fillAndStrokePath(int rule) { painted(); }

                private void painted() {
                    boxes.add(path.getBounds2D());
                    path.reset();
                }

            }.processPage(pdf.getPage(0));
        }
        return boxes;
    }
}
