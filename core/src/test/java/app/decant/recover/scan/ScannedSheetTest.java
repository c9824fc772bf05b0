package app.decant.recover.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Picture;
import app.decant.font.FontCatalogue;
import app.decant.pdf.read.Ink;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Pages painted by the JDK, of which everything is known, looked at as scans. */
class ScannedSheetTest {
    private static final double SCALE = 72.0 / 200;
    private static final Color PAPER = new Color(246, 243, 234);

    private final BufferedImage page = new BufferedImage(1654, 1400, BufferedImage.TYPE_INT_RGB);
    private final Graphics2D graphics = page.createGraphics();
    private final List<Picture.Word> words = new ArrayList<>();

    ScannedSheetTest() {
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setColor(PAPER);
        graphics.fillRect(0, 0, page.getWidth(), page.getHeight());
        graphics.scale(1 / SCALE, 1 / SCALE);
        graphics.setColor(Color.BLACK);
    }

    private static Font font(boolean bold, double size) {
        try {
            byte[] file = FontCatalogue.shipped().match("Liberation Sans", bold, false).face().file();
            return Font.createFont(Font.TRUETYPE_FONT, new ByteArrayInputStream(file)).deriveFont((float) size);
        } catch (IOException | FontFormatException e) {
            throw new IllegalStateException(e);
        }
    }

    private void line(String text, double x, double baseline, double size, boolean bold) {
        Font font = font(bold, size);
        graphics.setFont(font);
        double at = x;
        for (String word : text.split(" ")) {
            Rectangle2D box = font.getStringBounds(word, graphics.getFontRenderContext());
            graphics.drawString(word, (float) at, (float) baseline);
            words.add(new Picture.Word(word, at, baseline, box.getWidth(), size));
            at += box.getWidth() + size * 0.28;
        }
    }

    private void text(int lines) {
        for (int i = 0; i < lines; i++) line("The night watch counts the bicycles on the car deck and writes them down", 72, 100 + 15 * i, 11, false);
    }

    private void noise() {
        Random random = new Random(7);
        int[] pixels = ((DataBufferInt) page.getRaster().getDataBuffer()).getData();
        for (int i = 0; i < pixels.length; i++) {
            int noise = (int) (random.nextGaussian() * 4);
            pixels[i] = light((pixels[i] >> 16 & 0xFF) + noise) << 16 | light((pixels[i] >> 8 & 0xFF) + noise) << 8 | light((pixels[i] & 0xFF) + noise);
        }
    }

    private static int light(int value) { return Math.max(0, Math.min(255, value)); }

    private ScannedSheet sheet() {
        noise();
        return ScannedSheet.of(page, page.getWidth() * SCALE, page.getHeight() * SCALE, words);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-3.2, -1.2, -0.4, 0, 0.25, 0.9, 2, 4.5})
    void howFarAPageLiesAskewIsSeenFromItsLines(double degrees) {
        graphics.rotate(Math.toRadians(degrees), 297, 252);
        text(24);
        noise();
        double seen = Skew.of(Bitmap.of(page));
        assertThat(seen).isEqualTo(degrees, within(0.08));
        assertThat(Skew.of(Bitmap.of(Skew.straightened(page, seen)))).as("set straight").isEqualTo(0, within(0.1));
    }

    @Test void anEmptyPageIsStraightAndHoldsNothing() {
        ScannedSheet sheet = sheet();
        assertThat(sheet.rules()).isEmpty();
        assertThat(sheet.areas()).isEmpty();
        assertThat(sheet.pictures()).isEmpty();
    }

    @Test void textAloneHasNeitherRulesNorAreasNorPictures() {
        line("Harbour notice in very large letters", 72, 80, 24, true);
        text(24);
        ScannedSheet sheet = sheet();
        assertThat(sheet.rules()).isEmpty();
        assertThat(sheet.areas()).isEmpty();
        assertThat(sheet.pictures()).isEmpty();
        assertThat(sheet.words()).hasSameSizeAs(words);
        assertThat(sheet.words()).filteredOn(ScannedSheet.Word::bold).extracting(ScannedSheet.Word::text).containsExactly("Harbour", "notice", "in", "very",
                "large", "letters");
    }

    @Test void theRulesOfATableAreWhereTheyWereDrawn() {
        text(8);
        for (int row = 0; row <= 4; row++) graphics.fill(new Rectangle2D.Double(72, 300 + 20 * row, 400, 1));
        for (int column = 0; column <= 2; column++) graphics.fill(new Rectangle2D.Double(72 + 200 * column - 0.5, 300, 1, 80));
        for (int row = 0; row < 4; row++) line("Pallets of feed", 80, 314 + 20 * row, 10, false);
        ScannedSheet sheet = sheet();
        assertThat(sheet.rules()).filteredOn(Ink.Stroke::isAcross).hasSize(5).allSatisfy(rule -> {
            assertThat(rule.x1()).isEqualTo(72, within(1.0));
            assertThat(rule.x2()).isEqualTo(472, within(1.0));
            assertThat((rule.y1() - 300.5) / 20).isEqualTo(Math.round((rule.y1() - 300.5) / 20), within(0.03));
            assertThat(rule.width()).isBetween(0.75, 1.5);
        });
        assertThat(sheet.rules()).filteredOn(rule -> !rule.isAcross()).extracting(Ink.Stroke::x1).hasSize(3)
                .satisfies(found -> assertThat(found.get(1)).isEqualTo(272, within(0.6)));
    }

    @Test void paleWordsOnADarkAreaKeepBothColours() {
        text(8);
        graphics.setColor(new Color(0x1F, 0x4D, 0x7A));
        graphics.fill(new Rectangle2D.Double(72, 300, 400, 18));
        graphics.setColor(Color.WHITE);
        line("Name Pier", 80, 313, 11, true);
        ScannedSheet sheet = sheet();
        assertThat(sheet.areas()).singleElement().satisfies(area -> {
            assertThat(area.x()).isEqualTo(72, within(1.0));
            assertThat(area.y()).isEqualTo(300, within(1.0));
            assertThat(area.width()).isEqualTo(400, within(2.0));
            assertThat(area.height()).isEqualTo(18, within(2.0));
            assertThat(Colours.unlike(area.rgb(), 0x1F4D7A)).isLessThan(12);
        });
        assertThat(sheet.words()).filteredOn(word -> word.baseline() > 300).hasSize(2).allSatisfy(word -> assertThat(Colours.light(word.rgb()))
                .isGreaterThan(220));
        assertThat(sheet.words()).filteredOn(word -> word.baseline() < 300).extracting(ScannedSheet.Word::rgb).containsOnly(0);
    }

    @Test void aPhotographStaysAPictureAndWhatWasReadInItGoesWithIt() {
        text(8);
        for (int x = 0; x < 150; x++) for (int y = 0; y < 100; y++) {
            graphics.setColor(new Color(x + 20, 2 * y, 200 - x));
            graphics.fill(new Rectangle2D.Double(100 + x, 300 + y, 1.1, 1.1));
        }
        words.add(new Picture.Word("~;", 150, 350, 20, 9));
        words.add(new Picture.Word("Pier", 180, 380, 20, 9));
        ScannedSheet sheet = sheet();
        assertThat(sheet.pictures()).singleElement().satisfies(part -> {
            assertThat(part.x()).isEqualTo(100, within(4.5));
            assertThat(part.y()).isEqualTo(300, within(4.5));
            assertThat(part.width()).isEqualTo(150, within(8.5));
            assertThat(part.height()).isEqualTo(100, within(8.5));
            assertThat(part.pixels().getWidth() * SCALE).isEqualTo(part.width(), within(0.5));
        });
        assertThat(sheet.words()).extracting(ScannedSheet.Word::text).doesNotContain("~;", "Pier");
        assertThat(sheet.within()).as("words to be told of").isOne();
    }

    @Test void sizesThatDifferAsMeasuringDoesAreOne() {
        // As a program measured them on pages of 16, 13 and 11 points: headings of two levels and text stay three sizes.
        List<String> texts = List.of("Rough", "Lost", "Fares", "Muster", "Deliveries", "Mooring", "night watch", "bicycles", "small");
        assertThat(WordLooks.sizes(texts, List.of(17.6, 16.9, 15.7, 13.8, 12.9, 14.1, 11.7, 10.7, 7.9))).containsExactly(17.0, 17.0, 17.0, 14.0, 14.0, 14.0,
                11.5, 11.5, 8.0);
    }

    @Test void whatIsReadOnTheCopyStandsOnThePageAskew() {
        graphics.rotate(Math.toRadians(1.5), 297, 252);
        text(24);
        noise();
        ReadingCopy copy = ReadingCopy.of(page, SCALE);
        // The middle of the page is the middle of the copy; what is right of it has gone down by the fall of its line.
        Picture.Word right = copy.onPage(new Picture.Word("deck", 497, 252, 20, 11));
        assertThat(right.baseline()).isEqualTo(252 + 200 * Math.tan(Math.toRadians(1.5)), within(0.6));
        assertThat(Skew.of(Bitmap.of(copy.picture()))).isEqualTo(0, within(0.11));
    }

    @Test void leadersAreTakenOutAndToldAsDots() {
        text(3);
        line("Muster points ...", 72, 200, 11, false);
        graphics.setColor(Color.BLACK);
        for (int i = 0; i < 40; i++) graphics.fill(new Ellipse2D.Double(180 + 5 * i, 198.8, 1.2, 1.2));
        noise();
        ReadingCopy copy = ReadingCopy.of(page, SCALE);
        assertThat(copy.leaders()).singleElement().satisfies(dots -> {
            assertThat(dots.text()).isEqualTo(".".repeat(40));
            assertThat(dots.x()).isEqualTo(180, within(0.6));
            assertThat(dots.width()).isEqualTo(196.2, within(1.0));
            assertThat(dots.baseline()).isEqualTo(200, within(0.6));
        });
        assertThat(copy.left(words).isEmpty()).as("nothing is left of the dots").isTrue();
    }

    @Test void whatStandsAloneIsToldByItsShapeOrReadOnASheetOfItsOwn() {
        line("The night watch counts the bicycles", 100, 100, 11, false);
        line("and writes them down", 100, 115, 11, false);
        line("in a book that lies on the desk", 100, 130, 11, false);
        List<Picture.Word> read = List.copyOf(words);
        graphics.fill(new Ellipse2D.Double(84, 94.5, 4, 4));
        graphics.fill(new Rectangle2D.Double(84, 111, 6, 0.9));
        line("7", 84, 130, 11, false);
        noise();
        LoneMarks marks = ReadingCopy.of(page, SCALE).left(read);
        assertThat(marks.signs()).extracting(Picture.Word::text).containsExactlyInAnyOrder("•", "–");
        assertThat(marks.signs()).extracting(Picture.Word::baseline).containsExactlyInAnyOrder(100.0, 115.0);
        assertThat(marks.sheet().getHeight()).as("one row").isEqualTo(72);
        assertThat(marks.placed(List.of(new Picture.Word("7", 24, 54, 12, 30)))).singleElement().satisfies(seven -> {
            assertThat(seven.x()).isEqualTo(84, within(1.5));
            assertThat(seven.baseline()).isEqualTo(130);
        });
        assertThat(marks.placed(List.of(new Picture.Word("beyond", 24, 900, 12, 30), new Picture.Word("!!", 24, 54, 12, 30)))).isEmpty();
    }

    /** A program that recognises words tells the numbers of a list, or the pages of a list of contents, as blocks of their own. */
    @Test void linesThatWereToldInPiecesAreLinesAgain() {
        List<Picture.Word> told = List.of(new Picture.Word("1.", 84, 100.4, 6, 11), new Picture.Word("*", 84, 115, 3, 11),
                new Picture.Word("5", 300, 130, 5, 11), new Picture.Word("Count", 100, 100, 30, 11),
                new Picture.Word("bicycles", 134, 100, 40, 11), new Picture.Word("Raise", 100, 115, 30, 11),
                new Picture.Word("Boarding", 100, 130, 40, 11), new Picture.Word("*", 200, 145, 5, 11), new Picture.Word("........", 150, 131, 140, 11));
        assertThat(ReadWords.inOrder(told)).extracting(Picture.Word::text).containsExactly("1.", "Count", "bicycles", "•", "Raise", "Boarding", "........",
                "5", "*");
        assertThat(ReadWords.inOrder(told)).extracting(Picture.Word::baseline).containsExactly(100.0, 100.0, 100.0, 115.0, 115.0, 130.0, 130.0, 130.0, 145.0);
    }
}
