package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.TextProperty;
import app.decant.pdf.keep.CorrectedFile.Made;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationRubberStamp;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * More or fewer words than a line holds, put into a page's own stream: its passage breaks otherwise, what follows goes down or up as it is, and what belongs to
 * that goes with it. Read back by PDFBox.
 */
class PassageSettingTest {
    private static final String FOLLOWING = "BT /F2 14 Tf 72 586 Td (Where to find us) Tj ET\nBT /F1 11 Tf 72 568 Td (The office is on the pier.) Tj ET\n";
    private static final String FOOT = "BT /F1 8 Tf 72 40 Td (Ostrey Sound Ferries) Tj ET\n";
    private static final String LONGER = "morning, in summer at seven already, and on market days at six, whatever the tide and the weather,";

    @TempDir private Path root;

    private Path file(String... contents) throws IOException { return new CorrectedFile(root).file(contents); }

    private Made correct(Path file, String word, String other) { return new CorrectedFile(root).correct(file, word, other); }

    private static List<TextPosition> letters(Path file) throws IOException {
        List<TextPosition> letters = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) { if (!text.getUnicode().isBlank()) letters.add(text); }
            };
            stripper.setEndPage(1);
            stripper.getText(pdf);
        }
        return letters;
    }

    /** Where some words stand: their first letter. */
    private static TextPosition place(Path file, String words) throws IOException {
        List<TextPosition> letters = letters(file);
        StringBuilder all = new StringBuilder();
        for (TextPosition letter : letters) all.append(letter.getUnicode());
        int at = all.indexOf(words.replace(" ", ""));
        assertThat(at).as("“%s” in %s", words, all).isNotNegative();
        return letters.get(at);
    }

    private static String words(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setSortByPosition(true);
            return stripper.getText(pdf).replaceAll("\\s+", " ").trim();
        }
    }

    /** How far the lines of the passage reach. */
    private static double right(Path file) throws IOException {
        return letters(file).stream().mapToDouble(letter -> letter.getXDirAdj() + letter.getWidthDirAdj()).max().orElseThrow();
    }

    /** No letter stands on another, no line reaches out of its column, and lines are apart as they were. */
    private static void standsWell(Path file, double right) throws IOException {
        List<TextPosition> letters = letters(file);
        TreeSet<Double> baselines = new TreeSet<>();
        for (TextPosition letter : letters) {
            if (letter.getFontSizeInPt() != 11) continue;
            assertThat(letter.getXDirAdj() + letter.getWidthDirAdj()).isLessThan((float) right + 0.6f);
            baselines.add(Math.round(letter.getYDirAdj() * 10) / 10.0);
        }
        Double before = null;
        for (double baseline : baselines) {
            if (before != null) assertThat(baseline - before).isGreaterThan(13.8);
            before = baseline;
        }
    }

    @Test void moreWordsGoOnInTheNextLineAndWhatFollowsGoesDown() throws IOException {
        Path source = file(FOLLOWING + FOOT);
        try (PDDocument pdf = Loader.loadPDF(source.toFile())) {
            PDAnnotationLink link = new PDAnnotationLink();
            link.setRectangle(new PDRectangle(72, 564, 60, 14));
            link.setAction(new PDActionURI());
            ((PDActionURI) link.getAction()).setURI("https://example.org/");
            pdf.getPage(0).setAnnotations(List.<PDAnnotation>of(link));
            PDPageXYZDestination place = new PDPageXYZDestination();
            place.setPage(pdf.getPage(0));
            place.setLeft(72);
            place.setTop(600);
            PDOutlineItem item = new PDOutlineItem();
            item.setTitle("Where to find us");
            item.setDestination(place);
            PDDocumentOutline outline = new PDDocumentOutline();
            outline.addLast(item);
            pdf.getDocumentCatalog().setDocumentOutline(outline);
            pdf.save(root.resolve("linked.pdf").toFile());
        }
        source = root.resolve("linked.pdf");
        Made made = correct(source, "morning", LONGER);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        assertThat(words(file)).isEqualTo(words(source).replace("morning", LONGER));
        standsWell(file, right(source));
        for (String words : List.of("Where to find us", "The office is on")) {
            assertThat(place(file, words).getYDirAdj()).as(words).isCloseTo(place(source, words).getYDirAdj() + 28, within(0.02f));
            assertThat(place(file, words).getXDirAdj()).isCloseTo(place(source, words).getXDirAdj(), within(0.02f));
        }
        assertThat(place(file, "Ostrey Sound Ferries").getYDirAdj()).isEqualTo(place(source, "Ostrey Sound Ferries").getYDirAdj());
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            assertThat(pdf.getPage(0).getAnnotations().get(0).getRectangle().getLowerLeftY()).isCloseTo(536, within(0.02f));
            PDOutlineItem item = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
            assertThat(((PDPageXYZDestination) item.getDestination()).getTop()).isEqualTo(572);
        }
    }

    @Test void fewerWordsLetWhatFollowsGoUp() throws IOException {
        Path source = file(FOLLOWING + FOOT);
        Made made = correct(source, " at eight in the morning and closes at noon, on Sundays as well,", "");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        assertThat(words(file)).as("%s", made.findings()).isEqualTo(words(source).replace(" at eight in the morning and closes at noon, on Sundays as well,",
                ""));
        assertThat(place(file, "The office is on").getYDirAdj()).isCloseTo(place(source, "The office is on").getYDirAdj() - 14, within(0.02f));
    }

    /** A hyphen that is only seen where a word is parted takes no room within it, neither on its line nor in a passage that is set anew. */
    @Test void softHyphensTakeNoRoom() throws IOException {
        Path source = file(FOLLOWING + FOOT);
        for (String[] one : new String[][] {{"harbour", "bar\u00ADbour", "barbour"}, {"harbour", LONGER + " bar\u00ADbour", LONGER + " barbour"}}) {
            Made soft = correct(source, one[0], one[1]);
            assertThat(soft.pages().rewritten(0)).as("%s", soft.findings()).isNotNull();
            float with = place(soft.receipt().file(), "office opens").getXDirAdj();
            Made plain = correct(source, one[0], one[2]);
            assertThat(with).as(one[1]).isCloseTo(place(plain.receipt().file(), "office opens").getXDirAdj(), within(0.2f));
        }
    }

    @Test void anyWordsAreSetSoThatNothingIsLostOrCovered() throws IOException {
        Random random = new Random(7);
        Path source = file(FOLLOWING + FOOT);
        double right = right(source);
        for (int i = 0; i < 12; i++) {
            StringBuilder other = new StringBuilder("noon");
            for (int words = random.nextInt(40); words > 0; words--) other.append(' ').append("harbour".substring(0, 1 + random.nextInt(7)));
            Made made = correct(source, List.of("eight", "morning", "sails", "Sundays").get(i % 4), other.toString());
            assertThat(made.pages().rewritten(0)).as("%s: %s", other, made.findings()).isNotNull();
            assertThat(words(made.receipt().file())).contains(other).endsWith("on the pier. Ostrey Sound Ferries");
            assertThat(words(made.receipt().file())).hasSize(words(source).length() + other.length() - List.of("eight", "morning", "sails", "Sundays")
                    .get(i % 4).length());
            standsWell(made.receipt().file(), right);
        }
    }

    /** A large initial, capitals drawn small, a dot left over in another size: each keeps its own, and its line, wherever it comes to stand. */
    @Test void wordsOfOtherSizesKeepThemWhenTheyMove() throws IOException {
        Path source = file("BT 72 760 Td 14 TL /F1 16 Tf (B) Tj /F1 11 Tf (icycles are carried free of charge by every ship of the ) Tj /F1 8 Tf (OSTREY) Tj"
                + " T* (SOUND FERRIES) Tj /F1 11 Tf ( that has room on its lower deck, and on most days) Tj T* (that is every one of them; ask at the pier) Tj"
                + " /F1 10 Tf (.) Tj ET\n" + FOOT);
        Made made = correct(source, "free of charge", "free of any charge whatsoever");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        assertThat(words(file)).isEqualTo(words(source).replace("free of charge", "free of any charge whatsoever"));
        Map<String, Float> sizes = Map.of("Bicycles", 16f, "icycles", 11f, "OSTREY", 8f, "SOUND", 8f, "that has", 11f, "ask", 11f);
        sizes.forEach((words, size) -> assertThat(sized(file, words)).as(words).isCloseTo(size, within(0.05f)));
        assertThat(place(file, "Bicycles").getXDirAdj()).isCloseTo(72, within(0.05f));
        assertThat(place(file, "OSTREY").getYDirAdj()).as("it went to the next line").isCloseTo(place(source, "SOUND").getYDirAdj(), within(0.05f));
        assertThat(place(file, "SOUND").getYDirAdj()).isCloseTo(place(file, "that has").getYDirAdj(), within(0.05f));
        assertThat(place(file, "ask").getYDirAdj()).isCloseTo(place(source, "ask").getYDirAdj(), within(0.05f));
    }

    private static float sized(Path file, String words) {
        try {
            return place(file, words).getFontSizeInPt();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** As on any page that is laid out: after a sign where there is one, else where the line ends. */
    @Test void aWordThatIsLongerThanItsLineIsParted() throws IOException {
        Path source = file(FOLLOWING + FOOT);
        double right = right(source);
        String address = "https://example.org/timetables/summer-and-winter/islands-and-sound/" + "harbour".repeat(12);
        Made made = correct(source, "eight", address);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(words(made.receipt().file()).replace(" ", "")).isEqualTo(words(source).replace("eight", address).replace(" ", ""));
        standsWell(made.receipt().file(), right);
    }

    @Test void wordsInOtherFontsKeepThemWhenTheyMove() throws IOException {
        Path source = file("BT /F1 11 Tf 72 760 Td 14 TL (Bicycles are carried free of charge by ) Tj /F2 11 Tf (every) Tj /F1 11 Tf ( ship that has) Tj T*"
                + " (room on deck, and on most days that is every one of them; ask) Tj T* (at the pier.) Tj ET\n");
        Made made = correct(source, "free of charge", "free of any charge whatsoever");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        assertThat(words(file)).isEqualTo(words(source).replace("free of charge", "free of any charge whatsoever"));
        assertThat(place(file, "every ship").getFont().getName()).isEqualTo("Helvetica-Bold");
        assertThat(place(file, "ship that").getFont().getName()).isEqualTo("Helvetica");
    }

    /** Numbers of notes and other raised signs go on with their words, as small and as high as they were. */
    @Test void raisedSignsStayRaisedWhereTheirLineBreaksOtherwise() throws IOException {
        Path source = file("BT /F1 11 Tf 72 760 Td 14 TL (Bicycles are carried free of charge by every ship that has) Tj T* (room on deck, which is 40 m) Tj"
                + " /F1 6.6 Tf 4 Ts (2) Tj 0 Ts /F1 11 Tf ( on the larger of the two; ask) Tj T* (at the pier.) Tj ET\n");
        Made made = correct(source, "free of charge", "free of any charge whatsoever");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        assertThat(words(file).replace(" ", "")).isEqualTo(words(source).replace("free of charge", "free of any charge whatsoever").replace(" ", ""));
        TextPosition two = place(file, "2 on the larger");
        assertThat(two.getWidthDirAdj()).isCloseTo(place(source, "2 on the larger").getWidthDirAdj(), within(0.01f));
        TextPosition metres = place(file, "m2 on");
        assertThat(metres.getYDirAdj() - two.getYDirAdj()).isCloseTo(4, within(0.05f));
        assertThat(two.getXDirAdj()).isCloseTo(metres.getXDirAdj() + metres.getWidthDirAdj(), within(0.05f));
        assertThat(place(file, "on the larger").getFontSizeInPt()).isEqualTo(11);
        standsWell(file, right(source));
    }

    @Test void aFullPageGivesTheRoomBetweenItsParagraphs() throws IOException {
        String[] pages = new String[3];
        for (int page = 0; page < pages.length; page++) {
            StringBuilder content = new StringBuilder();
            for (int y = 590, i = 0; y > 100; y -= 52, i++)
                content.append(String.format("BT /F1 11 Tf 72 %d Td 14 TL (On day %d%d the ship leaves the pier at noon and comes back) Tj T* (before the "
                        + "tide of that"
                        + " evening turns at the outer) Tj T* (bar of the sound.) Tj ET\n", y, page, i));
            pages[page] = content.toString();
        }
        Path source = file(pages);
        double foot = letters(source).stream().mapToDouble(TextPosition::getYDirAdj).max().orElseThrow();
        Made made = correct(source, "day 02", "day 02, which is the first of the month and the day on which the customs officer comes aboard,");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        assertThat(letters(file).stream().mapToDouble(TextPosition::getYDirAdj).max().orElseThrow()).isLessThan(foot + 1.1);
        assertThat(words(file)).contains("customs officer comes aboard, the ship leaves the pier");
        standsWell(file, right(source));
        assertThat(place(file, "On day 01").getYDirAdj()).isEqualTo(place(source, "On day 01").getYDirAdj());
    }

    /** Pages full of lines that leave no room between them: one line more goes below the foot, as compositors do it; not on a footer, and not three. */
    @Test void aFullPageMayRunALineLong() throws IOException {
        for (int footer : new int[] {40, 78}) {
            String[] pages = new String[3];
            for (int page = 0; page < pages.length; page++) {
                StringBuilder content = new StringBuilder("BT /F1 8 Tf 72 " + footer + " Td (Ostrey Sound Ferries) Tj ET BT /F1 11 Tf 14 TL 72 598 Td ");
                for (int i = 0; i < 35; i++) content.append(String.format("(on day %d%02d the ship leaves the pier at noon and comes back) Tj T* ", page, i));
                pages[page] = content.append(String.format("(on day %d35 it stays.) Tj ET\n", page)).toString();
            }
            Path source = file(pages);
            double foot = place(source, "on day 035").getYDirAdj();
            Made more = correct(source, "on day 035", "on day 035, unless the ice has closed the sound since then,");
            if (footer > 42) {
                // The footer is too near: its lines go over, none comes to stand on it.
                assertThat(more.pages().isOwn(0)).as("%s", more.findings()).isTrue();
                assertThat(letters(more.receipt().file()).stream().filter(letter -> letter.getFontSizeInPt() == 11).mapToDouble(TextPosition::getYDirAdj).max()
                        .orElseThrow()).isLessThan(foot + 0.1);
                continue;
            }
            assertThat(more.pages().rewritten(0)).as("%s", more.findings()).isNotNull();
            assertThat(letters(more.receipt().file()).stream().filter(letter -> letter.getFontSizeInPt() == 11).mapToDouble(TextPosition::getYDirAdj).max()
                    .orElseThrow()).isCloseTo(foot + 14, within(0.1));
            standsWell(more.receipt().file(), right(source));
            String three = "on day 035, unless the ice has closed the sound since the week before, or the pilot is ill, or the engine is being mended at"
                    + " the yard, which it is twice a year, in spring and in autumn, for a week or two at a time,";
            Made much = correct(source, "on day 035", three);
            assertThat(much.pages().count()).as("%s", much.findings()).isEqualTo(4);
            assertThat(much.pages().isAdded(3)).as("what the last has no room for is on a page of its own").isTrue();
        }
    }

    @Test void aParagraphThatIsTakenOutLeavesNoHole() throws IOException {
        Path source = file(FOLLOWING + "BT /F1 11 Tf 72 500 Td (Bicycles are carried free.) Tj ET\n" + FOOT);
        Made made = new CorrectedFile(root).remove(source, "The office is on");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        assertThat(words(file)).isEqualTo(words(source).replace("The office is on the pier. ", ""));
        // The larger room, that below it, is kept: 68 points to the heading above.
        assertThat(place(file, "Bicycles").getYDirAdj()).isCloseTo(place(source, "Where to find").getYDirAdj() + 68, within(0.02f));
        assertThat(place(file, "Where to find").getYDirAdj()).isEqualTo(place(source, "Where to find").getYDirAdj());
    }

    /** The colours of a page down one of its columns, a pixel a point: what PDFBox paints. */
    private static int[] down(Path file, int x) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            BufferedImage image = new PDFRenderer(pdf).renderImage(0, 1, ImageType.RGB);
            int[] colours = new int[image.getHeight()];
            for (int y = 0; y < colours.length; y++) colours[y] = image.getRGB(x, y) & 0xFFFFFF;
            return colours;
        }
    }

    private static int first(int[] colours, int colour) { return IntStream.range(0, colours.length).filter(y -> colours[y] == colour).findFirst().orElse(-1); }

    /** Rules, areas and pictures between lines go as far as these, down and up, in whatever space they are drawn; a clip of theirs goes with them. */
    @Test void whatIsDrawnBetweenLinesGoesAlong() throws IOException {
        String ruled = FOLLOWING + "1 0 0 RG 3 w 72 557 m 340 557 l S 0 G 1 w BT /F1 11 Tf 72 540 Td (Bicycles are carried free.) Tj ET\n"
                + "q 2 0 0 2 10 10 cm q 40 235 60 12 re W n 0 0 1 rg 35 230 70 30 re f Q Q 0 1 0 rg 72 440 100 20 re f 0 g\n"
                + "BT /F1 11 Tf 72 420 Td (All else is carried for a fee.) Tj ET\n";
        Path source = file(ruled + FOOT);
        int[] before = down(source, 150);
        Made made = correct(source, "morning", LONGER);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        int[] after = down(made.receipt().file(), 150);
        for (int colour : new int[] {0xFF0000, 0x0000FF, 0x00FF00}) {
            assertThat(first(before, colour)).as("%06X", colour).isPositive();
            assertThat(first(after, colour)).as("%06X", colour).isEqualTo(first(before, colour) + 28);
            assertThat(Arrays.stream(after).filter(one -> one == colour).count()).isEqualTo(Arrays.stream(before).filter(one -> one == colour).count());
        }
        assertThat(place(made.receipt().file(), "All else").getYDirAdj()).isCloseTo(place(source, "All else").getYDirAdj() + 28, within(0.02f));
        source = file(ruled + FOOT);
        Made less = new CorrectedFile(root).remove(source, "The office is on");
        assertThat(less.pages().rewritten(0)).as("%s", less.findings()).isNotNull();
        int up = Math.round(place(source, "Bicycles").getYDirAdj() - place(less.receipt().file(), "Bicycles").getYDirAdj());
        assertThat(up).isPositive();
        assertThat(first(down(less.receipt().file(), 150), 0x00FF00)).isEqualTo(first(before, 0x00FF00) - up);
    }

    private static final String TWO = "BT /F1 11 Tf 72 580 Td 14 TL (Bicycles are carried free of charge by every ship that has) Tj T* (room on deck, and on"
            + " most days that is each one.) Tj 0 -22 Td (Ask at the pier whether there is room, and come a little) Tj T* (before the ship does.) Tj ET\n";

    /** A paragraph put in stands as far below the one before as its kind does, and what follows goes down by all of it. */
    @Test void aParagraphThatIsPutInStandsAmongTheOthers() throws IOException {
        Path source = file(TWO + FOOT);
        Made made = new CorrectedFile(root).part(source, "each one.", "On Sundays there is none.");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        assertThat(words(file)).isEqualTo(words(source).replace("each one. ", "each one. On Sundays there is none. "));
        double above = place(source, "room on deck").getYDirAdj();
        assertThat(place(file, "On Sundays there").getYDirAdj()).isCloseTo((float) above + 22, within(0.02f));
        assertThat(place(file, "On Sundays there").getXDirAdj()).isCloseTo(72, within(0.02f));
        assertThat(place(file, "Ask at the pier").getYDirAdj()).isCloseTo((float) above + 44, within(0.02f));
        assertThat(place(file, "Ostrey Sound Ferries").getYDirAdj()).isEqualTo(place(source, "Ostrey Sound Ferries").getYDirAdj());
        standsWell(file, right(source));
    }

    @Test void aParagraphIsPartedAndTwoAreJoined() throws IOException {
        Path source = file(TWO + FOOT);
        Made parted = new CorrectedFile(root).part(source, "free of charge", "");
        assertThat(parted.pages().rewritten(0)).as("%s", parted.findings()).isNotNull();
        Path two = parted.receipt().file();
        assertThat(words(two)).isEqualTo(words(source));
        assertThat(place(two, "by every ship").getYDirAdj()).isCloseTo(place(source, "Bicycles").getYDirAdj() + 22, within(0.02f));
        assertThat(place(two, "by every ship").getXDirAdj()).isCloseTo(72, within(0.02f));
        standsWell(two, right(source));
        source = file(TWO + FOOT);
        Made joined = new CorrectedFile(root).join(source, "Ask at the pier");
        assertThat(joined.pages().rewritten(0)).as("%s", joined.findings()).isNotNull();
        Path one = joined.receipt().file();
        assertThat(words(one)).isEqualTo(words(source));
        assertThat(place(one, "Ask at").getYDirAdj()).as("on the line before").isEqualTo(place(source, "room on deck").getYDirAdj());
        standsWell(one, right(source));
    }

    /** Paragraphs of any words between others: nothing is lost, nothing covers anything, lines keep their distance. PDFBox reads them. */
    @Test void anyParagraphsFindTheirPlace() throws IOException {
        Random random = new Random(11);
        for (int i = 0; i < 8; i++) {
            Path source = file(TWO + FOOT);
            StringBuilder other = new StringBuilder("Tides");
            for (int words = random.nextInt(50); words > 0; words--) other.append(' ').append("harbour".substring(0, 1 + random.nextInt(7)));
            String after = List.of("each one.", "free of charge", "that is", "does.").get(i % 4);
            Made made = new CorrectedFile(root).part(source, after, other.toString());
            assertThat(made.pages().rewritten(0)).as("%s after %s: %s", other, after, made.findings()).isNotNull();
            String said = words(made.receipt().file());
            assertThat(said).contains(after + " " + other).endsWith("Ostrey Sound Ferries");
            assertThat(said.replaceAll(" ", "")).hasSize(words(source).replaceAll(" ", "").length() + other.toString().replaceAll(" ", "").length());
            standsWell(made.receipt().file(), right(source));
        }
    }

    /** A frame that clips its text (8.5.4): what would be cut off is not put there, and what stands in another frame stays. */
    @Test void textIsNotMovedOutOfItsFrame() throws IOException {
        String framed = "q 60 570 300 40 re W n BT /F1 11 Tf 72 594 Td (The kiosk is open.) Tj 0 -18 Td (Ask for the key.) Tj ET Q\n"
                + "q 60 500 300 40 re W n BT /F1 11 Tf 72 520 Td (The boat house is shut.) Tj ET Q\n";
        Path source = file(framed + FOOT);
        Made made = new CorrectedFile(root).part(source, "is open.", "Nobody knows for how long, but it has been so.");
        assertThat(made.pages().rewritten(0)).isNull();
        assertThat(made.findings()).anyMatch(finding -> finding.contains("cut off"));
        Made less = new CorrectedFile(root).remove(source, "Ask for the key");
        assertThat(less.pages().rewritten(0)).as("%s", less.findings()).isNotNull();
        assertThat(place(less.receipt().file(), "The boat house").getYDirAdj()).isEqualTo(place(source, "The boat house").getYDirAdj());
    }

    @Test void aWordMadeBoldIsSetInTheFilesOwnBold() throws IOException {
        Path source = file("BT /F1 11 Tf 72 760 Td 14 TL (Bicycles are carried free of charge by every ship that has) Tj T* (room on ) Tj /F2 11 Tf (deck) Tj"
                + " /F1 11 Tf (, and on most days that is every one of them; ask) Tj T* (at the pier.) Tj ET\n");
        Made bold = new CorrectedFile(root).dress(source, "carried free", look -> look.with(TextProperty.BOLD, true));
        assertThat(bold.pages().rewritten(0)).as("%s", bold.findings()).isNotNull();
        assertThat(words(bold.receipt().file())).isEqualTo(words(source));
        assertThat(place(bold.receipt().file(), "carried free").getFont().getName()).isEqualTo("Helvetica-Bold");
        assertThat(place(bold.receipt().file(), "of charge").getFont().getName()).isEqualTo("Helvetica");
        Made plain = new CorrectedFile(root).dress(source, "deck", look -> look.with(TextProperty.BOLD, false));
        assertThat(plain.pages().rewritten(0)).as("%s", plain.findings()).isNotNull();
        assertThat(place(plain.receipt().file(), "deck").getFont().getName()).isEqualTo("Helvetica");
        assertThat(plain.findings()).noneMatch(finding -> finding.contains("is set in"));
        Made slanted = new CorrectedFile(root).dress(source, "ship", look -> look.with(TextProperty.ITALIC, true));
        assertThat(slanted.pages().rewritten(0)).as("%s", slanted.findings()).isNotNull();
        assertThat(slanted.findings()).anyMatch(finding -> finding.startsWith("The file has no font of this weight and slant for all letters of “ship”"));
        assertThat(place(slanted.receipt().file(), "ship").getFont().getName()).contains("Italic");
    }

    /** A form that draws and says something, such as a chart, goes as a whole (8.10); notes at the foot of the page stay. */
    @Test void aChartGoesWithItsWordsAndNotesStay() throws IOException {
        String[] pages = new String[3];
        Arrays.fill(pages, FOLLOWING + "q 1 0 0 1 72 420 cm /Chart Do Q BT /F1 11 Tf 72 400 Td (Chart 1. The sound.) Tj ET\n"
                + "72 60 m 200 60 l S BT /F1 8 Tf 72 48 Td (1  Measured at low water.) Tj ET\n");
        Path plain = file(pages);
        Path source = root.resolve("charted.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            for (PDPage page : pdf.getPages()) {
                PDFormXObject chart = new PDFormXObject(pdf);
                chart.setBBox(new PDRectangle(300, 120));
                chart.setResources(page.getResources());
                try (OutputStream out = chart.getStream().createOutputStream()) {
                    out.write("0 0 1 rg 0 0 300 120 re f 1 g BT /F1 9 Tf 20 60 Td (Skerrow) Tj ET".getBytes(StandardCharsets.US_ASCII));
                }
                page.getResources().put(COSName.getPDFName("Chart"), chart);
            }
            pdf.save(source.toFile());
        }
        Made made = correct(source, "morning", LONGER);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        // The room between paragraphs gives a little, since no page ends lower.
        float by = place(file, "Skerrow").getYDirAdj() - place(source, "Skerrow").getYDirAdj();
        assertThat(by).isBetween(14f, 28f);
        assertThat((double) first(down(file, 300), 0x0000FF)).isCloseTo(first(down(source, 300), 0x0000FF) + by, within(1.0));
        assertThat(place(file, "Chart 1.").getYDirAdj() - place(source, "Chart 1.").getYDirAdj()).isBetween(10f, by);
        assertThat(place(file, "Measured").getYDirAdj()).isEqualTo(place(source, "Measured").getYDirAdj());
        assertThat(words(file)).isEqualTo(words(source).replaceFirst("morning", LONGER));
    }

    /** As browsers print: all is painted within one area that is white from edge to edge, and ends little below the last line. */
    @Test void theColourOfAPageNeedNotGetLonger() throws IOException {
        Path source = file("56 545 480 255 re W n 1 1 1 rg 0 0 595 842 re f 0 g\n" + FOLLOWING);
        Made made = correct(source, "morning", "morning, and in summer at seven already, whatever the tide");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(place(made.receipt().file(), "The office is").getYDirAdj()).isCloseTo(place(source, "The office is").getYDirAdj() + 14, within(0.1f));
        // What would stand beyond it is not seen: there is room for one line, and none for two.
        assertThat(correct(source, "morning", LONGER).pages().rewritten(0)).isNull();
    }

    @Test void whatStandsInTheWayIsNotCrossed() throws IOException {
        // Beside the passage and further down, with words on it that go nowhere: a panel of two columns.
        Path beside = file("0.9 g 60 560 500 60 re f 0 g BT /F1 9 Tf 0 1 -1 0 540 565 Tm (Notices) Tj ET\n" + FOLLOWING);
        Made made = correct(beside, "morning", LONGER);
        assertThat(made.pages().rewritten(0)).isNull();
        assertThat(made.findings()).anyMatch(finding -> finding.contains("stands in its way"));
        Path noted = file(FOLLOWING);
        try (PDDocument pdf = Loader.loadPDF(noted.toFile())) {
            PDAnnotationRubberStamp note = new PDAnnotationRubberStamp();
            // On words above the change, and below it: it can go neither way.
            note.setRectangle(new PDRectangle(200, 564, 20, 90));
            pdf.getPage(0).setAnnotations(List.<PDAnnotation>of(note));
            pdf.save(root.resolve("noted.pdf").toFile());
        }
        assertThat(correct(root.resolve("noted.pdf"), "morning", LONGER).pages().rewritten(0)).isNull();
    }
}
