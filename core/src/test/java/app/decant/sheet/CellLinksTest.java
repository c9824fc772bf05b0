package app.decant.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Facts;
import app.decant.document.Link;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Links between cells land on what holds something; numbers that are remembered show as POI's formatter shows them. */
class CellLinksTest {
    private static Sheet sheet(String name, String... links) {
        List<Cell> cells = new ArrayList<>();
        for (int i = 0; i < links.length; i++) cells.add(new Cell(i, new CellValue.Text("to " + links[i]), null, 0, new Link.Inside(links[i])));
        return new Sheet(name, false, 48, 15, List.of(), List.of(new Row(0, 15, true, List.of(new Cell(0, new CellValue.Text("hidden"), 0))),
                new Row(2, 15, false, cells), new Row(5, 15, false, List.of(new Cell(3, new CellValue.Number(7), 0), new Cell(4, CellValue.EMPTY, 0)))),
                        List.of(),
                PageSetup.PLAIN);
    }

    private static Workbook book(Sheet... sheets) {
        return new Workbook(List.of(sheets), List.of(CellStyle.PLAIN), Map.of("All", "Lines!$D$6", "It's fares!Own", "'It''s fares'!$D$6", "Gone", "#REF!"),
                Facts.NONE, false);
    }

    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', value = {"Lines!D6 | Lines!D6", "#Lines!$D$6 | Lines!D6", "lines!D6:E9 | Lines!D6",
        "D6 | It's fares!D6", "'It''s fares'!D6 | It's fares!D6", "All | Lines!D6", "Own | It's fares!D6", "Lines!E6 | Lines!A3", "Lines!Z99 | Lines!A3"})
    void linksLandOnWhatHoldsSomething(String place, String landing) {
        Sheet fares = sheet("It's fares", place);
        CellLinks links = new CellLinks(book(fares, sheet("Lines", "A1")));
        assertThat(links.shown(fares, new Link.Inside(place))).isEqualTo(new Link.Inside(landing));
    }

    @ParameterizedTest @ValueSource(strings = {"Nowhere!A1", "Gone", "Lines!", "!A1", "", "Lines!A0", "All!B2", "not a place"})
    void linksThatLeadNowhereAreNone(String place) {
        Sheet fares = sheet("It's fares", place);
        assertThat(new CellLinks(book(fares, sheet("Lines", "A1"))).shown(fares, new Link.Inside(place))).isNull();
    }

    /** Only cells that links lead to have names, each by its place. */
    @Test void cellsThatAreLedToHaveNames() {
        Sheet fares = sheet("It's fares", "Lines!D6");
        Sheet lines = sheet("Lines", "D6");
        CellLinks links = new CellLinks(book(fares, lines));
        assertThat(links.marks(lines, 5, 3)).isEqualTo(Map.of("Lines!D6", 0));
        assertThat(links.marks(lines, 2, 0)).isEmpty();
        assertThat(links.marks(fares, 5, 3)).isEmpty();
        Link out = new Link.Address("https://fernhollow.example/");
        assertThat(links.shown(fares, out)).isSameAs(out);
        assertThat(links.shown(fares, null)).isNull();
    }

    /** What is shown fast, or shown again, is what the library's formatter says. */
    @Test void numbersShowAsTheLibraryShowsThem() {
        Random random = new Random(11);
        List<String> formats = List.of("General", "0", "0.00", "#,##0", "0%", "yyyy-mm-dd", "[Red]0;-0");
        for (Locale locale : List.of(Locale.ENGLISH, Locale.GERMANY, Locale.FRANCE)) {
            NumberText numbers = new NumberText(book(sheet("Lines", "A1")), locale);
            DataFormatter formatter = new DataFormatter(locale);
            for (int i = 0; i < 4000; i++) {
                double value = switch (random.nextInt(5)) {
                    case 0 -> random.nextInt(2_000_000) - 1_000_000;
                    case 1 -> random.nextLong() / 1e6;
                    case 2 -> random.nextGaussian();
                    case 3 -> Math.rint(random.nextDouble() * 1e12);
                    default -> 40_000 + random.nextInt(9_000);
                };
                String format = formats.get(random.nextInt(formats.size()));
                String shown = numbers.of(new CellValue.Number(value), format);
                assertThat(shown).as("%s by %s in %s", value, format, locale).isEqualTo(formatter.formatRawCellContents(value, 0, format));
                assertThat(numbers.of(new CellValue.Number(value), format)).isEqualTo(shown);
            }
        }
    }
}
