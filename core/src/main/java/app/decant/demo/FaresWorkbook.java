package app.decant.demo;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Facts;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle.Across;
import app.decant.sheet.CellStyle.Down;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.Condition;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The fares of Ostrey Sound Ferries: fares with sums, a timetable that is wider than its paper, crossings by month. All figures are invented. */
public final class FaresWorkbook {
    private static final int PLAIN = 0;
    private static final int TITLE = 1;
    private static final int HEAD = 2;
    private static final int MONEY = 3;
    private static final int TIME = 4;
    private static final int COUNT = 5;
    private static final int SUM = 6;
    private static final int NOTE = 7;
    private static final Colour TEAL = new Colour(0x1F4E5F);
    private static final String[] LINES = {"Ostrey line", "Skerrow line", "Inner line"};
    private static final String[] KINDS = {"Adult, single", "Adult, return", "Child, single", "Child, return", "Resident, ten crossings", "Bicycle",
            "Car up to 5 m",
        "Van up to 7 m", "Trailer, a metre", "Group of ten or more, each"};
    private static final double[] FARES = {4.8, 8.6, 2.4, 4.3, 31, 1.5, 14.5, 22, 3.2, 3.9};
    private static final String[] MONTHS = {"January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November",
        "December"};

    private FaresWorkbook() { }

    public static Workbook workbook() {
        Facts facts = new Facts("Winter fares 2026", null, "Ostrey Sound Ferries, Harbour Office", null, "en-GB", null, null, Map.of());
        return new Workbook(List.of(fares(), timetable(), crossings()), styles(), Map.of("Winter", "Fares!$A$3:$D$14"), facts, false);
    }

    private static List<CellStyle> styles() {
        Look plain = Look.of(TextProperty.FAMILY, "Carlito").with(TextProperty.SIZE, 11.0);
        Border hair = new Border(Border.Line.SINGLE, 0.5, new Colour(0xB9C4C8), 0);
        Borders round = new Borders(hair, hair, hair, hair, null, null);
        Look white = plain.with(TextProperty.BOLD, true).with(TextProperty.COLOUR, Colour.WHITE);
        Look title = plain.with(TextProperty.SIZE, 18.0).with(TextProperty.BOLD, true).with(TextProperty.COLOUR, TEAL);
        return List.of(new CellStyle(plain, CellStyle.GENERAL, Across.BY_KIND, Down.BOTTOM, false, false, 0, 0, null, null),
                new CellStyle(title, CellStyle.GENERAL, Across.LEFT, Down.MIDDLE, false, false, 0, 0, null, null),
                new CellStyle(white, CellStyle.GENERAL, Across.CENTRE, Down.MIDDLE, true, false, 0, 0, TEAL, round), dress(plain, "#,##0.00", round),
                dress(plain, "hh:mm", round), dress(plain, "#,##0", round), new CellStyle(plain.with(TextProperty.BOLD, true), "#,##0", Across.BY_KIND,
                        Down.BOTTOM,
                        false, false, 0, 0, new Colour(0xE4EEF0), round),
                new CellStyle(plain.with(TextProperty.ITALIC, true), CellStyle.GENERAL, Across.LEFT, Down.TOP, true, false, 0, 0, null, null));
    }

    private static CellStyle dress(Look look, String format, Borders borders) {
        return new CellStyle(look, format, Across.BY_KIND, Down.BOTTOM, false, false, 0, 0, null, borders);
    }

    private static Cell text(int column, String text, int style) { return new Cell(column, new CellValue.Text(text), style); }

    private static Cell number(int column, double value, int style) { return new Cell(column, new CellValue.Number(value), style); }

    private static Cell formula(int column, double value, String formula, int style) { return new Cell(column, new CellValue.Number(value), formula, style,
            null); }

    private static Row row(int index, double height, List<Cell> cells) { return new Row(index, height, false, cells); }

    private static Sheet fares() {
        List<Row> rows = new ArrayList<>();
        rows.add(row(0, 30, List.of(text(0, "Winter fares 2026 to 2027", TITLE))));
        List<Cell> head = new ArrayList<>(List.of(text(0, "In crowns", HEAD)));
        for (int i = 0; i < LINES.length; i++) head.add(text(i + 1, LINES[i], HEAD));
        rows.add(row(2, 22, head));
        for (int r = 0; r < KINDS.length; r++) {
            List<Cell> cells = new ArrayList<>(List.of(text(0, KINDS[r], COUNT), number(1, FARES[r], MONEY)));
            cells.add(formula(2, FARES[r] * 1.25, "B" + (r + 4) + "*1.25", MONEY));
            cells.add(formula(3, FARES[r] * 0.5, "B" + (r + 4) + "*0.5", MONEY));
            rows.add(row(r + 3, Double.NaN, cells));
        }
        rows.add(row(14, 44, List.of(text(0,
                "Children under four travel free. Fares on the Skerrow line hold the harbour due; those on the Inner line are half of "
                + "what the Ostrey line costs.", NOTE))));
        PageSetup setup = pages(false, false).withAreas(List.of(new Range(0, 0, 14, 3)));
        return new Sheet("Fares", false, 60, 15, List.of(new Column(0, 0, 170, false), new Column(1, 3, 90, false)), rows, List.of(new Range(0, 0, 0, 3),
                new Range(14, 0, 14, 3)), setup);
    }

    private static Sheet timetable() {
        List<Row> rows = new ArrayList<>();
        rows.add(row(0, 30, List.of(text(0, "Winter timetable", TITLE))));
        String[] piers = {"Grennick Pier", "Ostrey Harbour", "Skerrow Stage", "Inner Holm", "North Ness", "Lighthouse Quay"};
        List<Cell> head = new ArrayList<>(List.of(text(0, "Crossing", HEAD)));
        for (int c = 1; c <= 18; c++) head.add(number(c, c, HEAD));
        rows.add(row(1, 20, head));
        for (int p = 0; p < piers.length; p++) {
            List<Cell> cells = new ArrayList<>(List.of(text(0, piers[p], COUNT)));
            for (int c = 1; c <= 18; c++) cells.add(number(c, (355 + c * 45 + p * 20) / 1440.0, TIME));
            rows.add(row(p + 2, Double.NaN, cells));
        }
        return new Sheet("Timetable", false, 48, 15, List.of(new Column(0, 0, 120, false), new Column(1, 18, 44, false)), rows, List.of(), pages(true, false));
    }

    private static Sheet crossings() {
        List<Row> rows = new ArrayList<>();
        rows.add(row(0, 30, List.of(text(0, "Passengers by month", TITLE))));
        List<Cell> head = new ArrayList<>(List.of(text(0, "Month", HEAD)));
        for (int i = 0; i < LINES.length; i++) head.add(text(i + 1, LINES[i], HEAD));
        head.add(text(4, "All lines", HEAD));
        rows.add(row(1, 20, head));
        double[] sums = new double[4];
        for (int m = 0; m < MONTHS.length; m++) {
            double season = 1 + Math.sin((m - 2.5) * Math.PI / 6);
            double[] counts = {Math.round(2100 + 2600 * season), Math.round(900 + 1400 * season), Math.round(3050 + 350 * season)};
            List<Cell> cells = new ArrayList<>(List.of(text(0, MONTHS[m], COUNT)));
            for (int i = 0; i < 3; i++) {
                cells.add(number(i + 1, counts[i], COUNT));
                sums[i] += counts[i];
            }
            double all = counts[0] + counts[1] + counts[2];
            sums[3] += all;
            cells.add(formula(4, all, "SUM(B" + (m + 3) + ":D" + (m + 3) + ")", COUNT));
            rows.add(row(m + 2, Double.NaN, cells));
        }
        List<Cell> last = new ArrayList<>(List.of(text(0, "Year", SUM)));
        for (int i = 0; i < 4; i++) last.add(formula(i + 1, sums[i], "SUM(" + Range.letters(i + 1) + "3:" + Range.letters(i + 1) + "14)", SUM));
        rows.add(row(14, Double.NaN, last));
        Condition.Point least = new Condition.Point(Condition.By.LEAST, null, true);
        Condition.Point most = new Condition.Point(Condition.By.MOST, null, true);
        Condition busy = new Condition(List.of(new Range(2, 1, 13, 3)), 1, false, new Condition.Scale(List.of(least, most), List.of(new Colour(0xFBFAF7),
                new Colour(0x8FB8C2))));
        Condition bars = new Condition(List.of(new Range(2, 4, 13, 4)), 2, false, new Condition.Bar(new Condition.Point(Condition.By.NUMBER, "0", true), most,
                new Colour(0xE7C77B), 0, 0.9, true));
        return new Sheet("Crossings 2026", false, 60, 15, List.of(new Column(0, 0, 110, false), new Column(1, 4, 84, false)), rows, List.of(),
                pages(false, true)).with(List.of(busy, bars));
    }

    private static PageSetup pages(boolean titles, boolean middle) {
        PageSetup plain = PageSetup.PLAIN;
        return new PageSetup(plain.page(), 1, 1, 1, false, false, middle, false, false, false, List.of(), titles ? new Range(1, 0, 1, Range.MOST_COLUMNS - 1)
                : null,
                titles ? new Range(0, 0, Range.MOST_ROWS - 1, 0) : null, List.of(), List.of(), "&LOstrey Sound Ferries&R&A", "&CPage &P of &N");
    }
}
