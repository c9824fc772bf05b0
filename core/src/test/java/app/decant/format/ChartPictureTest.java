package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Picture;
import app.decant.format.Chart.Axis;
import app.decant.format.Chart.Dress;
import app.decant.format.Chart.Grouping;
import app.decant.format.Chart.Keys;
import app.decant.format.Chart.Kind;
import app.decant.format.Chart.Labels;
import app.decant.format.Chart.Series;
import app.decant.picture.PictureDecoder;
import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Charts as they are drawn: the ink of each colour, and where it is, against the numbers; what is asked of them is common practice, no source. */
class ChartPictureTest {
    private static final int RED = 0xC02020;
    private static final int BLUE = 0x2020C0;
    private static final List<String> PIERS = List.of("Lunnay", "Brannoch", "Skarra");

    private static Series series(String name, int colour, Double... values) { return new Series(name, List.of(), List.of(values), colour); }

    private static Chart chart(Kind kind, Grouping grouping, Series... series) {
        return new Chart(kind, null, PIERS, List.of(series), grouping, new Dress(Axis.PLAIN, Axis.PLAIN, Axis.PLAIN, Keys.NONE, Labels.NONE, List.of(), 1,
                List.of()));
    }

    private static BufferedImage drawn(Chart chart) throws IOException {
        Picture picture = ChartPicture.of(chart, 240, 160, null);
        assertThat(PictureDecoder.isDrawing(picture.image())).isTrue();
        return PictureDecoder.decode(picture.image(), 144);
    }

    private static int ink(BufferedImage pixels, int colour) {
        int count = 0;
        for (int y = 0; y < pixels.getHeight(); y++) for (int x = 0; x < pixels.getWidth(); x++) if ((pixels.getRGB(x, y) & 0xFFFFFF) == colour) count++;
        return count;
    }

    /** The box round all ink of a colour, in pixels. */
    private static Rectangle box(BufferedImage pixels, int colour) {
        Rectangle box = null;
        for (int y = 0; y < pixels.getHeight(); y++) for (int x = 0; x < pixels.getWidth(); x++) {
            if ((pixels.getRGB(x, y) & 0xFFFFFF) != colour) continue;
            if (box == null) box = new Rectangle(x, y, 1, 1);
            else box.add(new Rectangle(x, y, 1, 1));
        }
        return box;
    }

    @ParameterizedTest @EnumSource(value = Kind.class, names = {"COLUMNS", "BARS"})
    void barsAreAsLongAsTheirNumbers(Kind kind) throws IOException {
        BufferedImage pixels = drawn(chart(kind, Grouping.BESIDE, series("Adults", RED, 4.0, 3.0, 5.0), series("Children", BLUE, 2.0, 1.5, 2.5)));
        assertThat(ink(pixels, RED) / (double) ink(pixels, BLUE)).isEqualTo(2, within(0.1));
        Rectangle red = box(pixels, RED);
        Rectangle blue = box(pixels, BLUE);
        if (kind == Kind.COLUMNS) assertThat(red.getMaxY()).as("all stand on one line").isEqualTo(blue.getMaxY(), within(2.0));
        else assertThat(red.x).as("all begin at one line").isCloseTo(blue.x, within(2));
        assertThat(kind == Kind.COLUMNS ? red.height / (double) blue.height : red.width / (double) blue.width).isEqualTo(2, within(0.05));
    }

    /** Those that stand on others begin where these end; shares of all end at one height. */
    @ParameterizedTest @CsvSource({"COLUMNS,STACKED", "BARS,STACKED", "COLUMNS,SHARES", "BARS,SHARES", "AREAS,STACKED", "AREAS,SHARES"})
    void whatStandsOnEachOtherDoes(Kind kind, Grouping grouping) throws IOException {
        BufferedImage pixels = drawn(chart(kind, grouping, series("Adults", RED, 30.0, 30.0, 30.0), series("Children", BLUE, 10.0, 10.0, 10.0)));
        Rectangle red = box(pixels, RED);
        Rectangle blue = box(pixels, BLUE);
        double first = kind == Kind.BARS ? red.width : red.height;
        double second = kind == Kind.BARS ? blue.width : blue.height;
        assertThat(first / second).isEqualTo(3, within(0.2));
        if (kind == Kind.BARS) assertThat(blue.getMinX()).isEqualTo(red.getMaxX(), within(2.5));
        else assertThat(blue.getMaxY()).isEqualTo(red.getMinY(), within(2.5));
    }

    /** What is below nothing hangs from the line of nothing. */
    @Test void negativeNumbersHang() throws IOException {
        BufferedImage pixels = drawn(chart(Kind.COLUMNS, Grouping.STACKED, series("In", RED, 4.0, 4.0, 4.0), series("Out", BLUE, -2.0, -2.0, -2.0)));
        Rectangle in = box(pixels, RED);
        Rectangle out = box(pixels, BLUE);
        assertThat(out.getMinY()).isEqualTo(in.getMaxY(), within(4.0));
        assertThat(in.height / (double) out.height).isEqualTo(2, within(0.1));
    }

    /** A line over columns, measured at the right: five hundred there is as high as five here. */
    @Test void aSecondAxisMeasuresItsOwn() throws IOException {
        Series line = new Series("Weight", List.of(), List.of(500.0, 500.0, 500.0), BLUE, Kind.LINES, true, true, false);
        Axis up = new Axis(null, 0.0, 10.0, null, true);
        Axis right = new Axis("kg", 0.0, 1000.0, "#,##0", true);
        Chart bare = new Chart(Kind.COLUMNS, "Both", PIERS, List.of(series("Boats", RED, 5.0, 5.0, 5.0), line), Grouping.BESIDE,
                new Dress(Axis.PLAIN, up, right, Keys.NONE, Labels.NONE, List.of(), 1, List.of()));
        Rectangle way = box(drawn(bare), BLUE);
        assertThat(way.height).as("a level line").isLessThanOrEqualTo(4);
        assertThat(way.getCenterY()).as("as high as the columns").isEqualTo(box(drawn(bare), RED).getMinY(), within(4.0));
        Chart keyed = bare.with(new Dress(Axis.PLAIN, up, right, Keys.BELOW, Labels.NONE, List.of(), 1, List.of()));
        assertThat(box(drawn(keyed), RED).getMaxY()).as("a key of its colour below").isGreaterThan(box(drawn(bare), RED).getMaxY() + 10);
    }

    /** Slices go round from the top with the clock; a ring has a hole. */
    @Test void slicesGoRoundFromTheTop() throws IOException {
        Dress dress = new Dress(Axis.PLAIN, Axis.PLAIN, Axis.PLAIN, Keys.NONE, Labels.NONE, List.of(RED, BLUE), 1, List.of());
        Chart pie = new Chart(Kind.PIE, null, List.of("sold", "free"), List.of(series("", RED, 75.0, 25.0)), Grouping.BESIDE, dress);
        BufferedImage pixels = drawn(pie);
        assertThat(ink(pixels, RED) / (double) ink(pixels, BLUE)).isEqualTo(3, within(0.1));
        assertThat(pixels.getRGB(pixels.getWidth() / 2 + 40, pixels.getHeight() / 2 - 40) & 0xFFFFFF).as("the first quarter").isEqualTo(RED);
        assertThat(pixels.getRGB(pixels.getWidth() / 2 - 40, pixels.getHeight() / 2 - 40) & 0xFFFFFF).as("the last quarter").isEqualTo(BLUE);
        BufferedImage ring = drawn(new Chart(Kind.RING, null, List.of("sold", "free"), List.of(series("", RED, 75.0, 25.0)), Grouping.BESIDE, dress));
        assertThat(ring.getRGB(ring.getWidth() / 2, ring.getHeight() / 2) & 0xFFFFFF).isEqualTo(0xFFFFFF);
    }

    @Test void pointsStandWhereTheirNumbersSay() throws IOException {
        Series marks = new Series("Depth", List.of(0.0, 10.0), List.of(0.0, 100.0), RED, null, false, false, true);
        Rectangle box = box(drawn(chart(Kind.POINTS, Grouping.BESIDE, marks)), RED);
        BufferedImage pixels = drawn(chart(Kind.POINTS, Grouping.BESIDE, marks));
        assertThat(box.width).isGreaterThan(pixels.getWidth() / 2);
        assertThat(ink(pixels, RED)).as("two marks without a line").isLessThan(200);
        Series lined = new Series("Depth", List.of(0.0, 10.0), List.of(0.0, 100.0), RED, null, false, true, false);
        assertThat(ink(drawn(chart(Kind.POINTS, Grouping.BESIDE, lined)), RED)).as("a line from corner to corner").isGreaterThan(250);
    }

    @Test void aNetReachesAsFarAsItsNumbers() throws IOException {
        Rectangle small = box(drawn(chart(Kind.NET, Grouping.BESIDE, series("a", RED, 5.0, 5.0, 5.0), series("b", BLUE, 10.0, 10.0, 10.0))), RED);
        Rectangle large = box(drawn(chart(Kind.NET, Grouping.BESIDE, series("a", RED, 5.0, 5.0, 5.0), series("b", BLUE, 10.0, 10.0, 10.0))), BLUE);
        assertThat(large.width / (double) small.width).isEqualTo(2, within(0.1));
    }

    /** What is drawn with nothing is not seen, but others stand on it. */
    @Test void whatIsUnseenIsStoodOn() throws IOException {
        BufferedImage pixels = drawn(chart(Kind.COLUMNS, Grouping.STACKED, series("under", Series.UNSEEN, 5.0, 5.0, 5.0), series("over", RED, 5.0, 5.0, 5.0)));
        Rectangle over = box(pixels, RED);
        assertThat(over.getMaxY()).as("half way up").isLessThan(pixels.getHeight() * 0.7);
    }

    /** Nothing that a chart says of itself ends in anything but a picture, or none. */
    @ParameterizedTest @ValueSource(doubles = {Double.NaN, 1e308, -1e308, 1e-308, 0})
    void strangeNumbersHarmNothing(double value) {
        for (Kind kind : Kind.values()) for (Grouping grouping : Grouping.values()) {
            ChartPicture.of(chart(kind, grouping, series("a", RED, value, value, 1.0), series("", BLUE)), 240, 160, null);
            ChartPicture.of(chart(kind, grouping, series("a", RED, value)), 3, 2, null);
        }
        assertThat(ChartPicture.of(chart(Kind.LINES, Grouping.BESIDE), 240, 160, null)).isNull();
    }

    @ParameterizedTest @CsvSource({"0, 10, '0 2 4 6 8 10 12'", "0, 0.07, '0.00 0.02 0.04 0.06 0.08'", "-3, 3, '-4 -2 0 2 4'"})
    void measuresAreRound(double low, double high, String marks) {
        ChartScale scale = ChartScale.of(low, high, Axis.PLAIN, true, 130, 26);
        List<Double> told = scale.marks();
        assertThat(String.join(" ", told.stream().map(scale::said).toList())).isEqualTo(marks.replace("0.00 ", "0 "));
    }
}
