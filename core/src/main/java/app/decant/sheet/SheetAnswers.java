package app.decant.sheet;

import app.decant.document.Colour;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What was written into the cells of a workbook, and how its columns, rows, breaks and areas were set, as answers by name: {@code Fares!D4} is what was typed
 * into a cell, {@code Fares!D:D} the width of a column in points, {@code Fares!4:4} the height of a row; {@code Fares!rows}, {@code Fares!columns} are those
 * before which pages begin, {@code Fares!area} is what is published of it, {@code Fares!fit} how many pages
 * wide and tall it is made small enough for.
 *
 * {@code Fares!D4 bold} and the like are how a cell looks.
 *
 * @param cells   what was typed, by sheet and place
 * @param looks   how cells are to look, by sheet and place
 * @param setting all else, by sheet
 */
public record SheetAnswers(Map<String, Map<Long, String>> cells, Map<String, Map<Long, Map<Dress, String>>> looks,
        Map<String, Map<String, String>> setting) {
    /** What of a cell's look can be told. */
    public enum Dress { BOLD, ITALIC, FORMAT, ACROSS, FILL, COLOUR, SIZE, WRAP, LINES }

    /** The answer for a column or row that is not seen. */
    public static final String HIDDEN = "hidden";
    /** And for one that is seen again. */
    public static final String SHOWN = "shown";
    private static final Pattern CELL = Pattern.compile("([A-Z]{1,3})([1-9][0-9]{0,6})( bold| italic| format| across| fill| colour| size| wrap| lines)?");
    private static final Pattern COLOURS = Pattern.compile("[0-9A-Fa-f]{6}");
    private static final Pattern COLUMN = Pattern.compile("([A-Z]{1,3}):\\1");
    private static final Pattern ROW = Pattern.compile("([1-9][0-9]{0,6}):\\1");
    private static final String ROWS = "rows";
    private static final String COLUMNS = "columns";
    private static final String AREA = "area";
    private static final String FIT = "fit";
    private static final double MOST = 2000;
    /** Of letters, in points (ISO/IEC 29500-1, 18.4.11 knows no bounds; these are those of programs, common practice). */
    private static final double LEAST_SIZE = 1;
    private static final double MOST_SIZE = 409;

    /** Answers of a document; names that are none of a workbook are left aside. */
    public static SheetAnswers of(SortedMap<String, String> answers) {
        Map<String, Map<Long, String>> cells = new HashMap<>();
        Map<String, Map<Long, Map<Dress, String>>> looks = new HashMap<>();
        Map<String, Map<String, String>> setting = new HashMap<>();
        answers.forEach((name, answer) -> {
            int mark = name.lastIndexOf('!');
            if (mark < 0) return;
            String sheet = name.substring(0, mark);
            Matcher cell = CELL.matcher(name.substring(mark + 1));
            if (!cell.matches()) {
                setting.computeIfAbsent(sheet, key -> new HashMap<>()).put(name.substring(mark + 1), answer);
                return;
            }
            int row = Integer.parseInt(cell.group(2)) - 1;
            int column = Range.column(cell.group(1));
            if (row >= Range.MOST_ROWS || column >= Range.MOST_COLUMNS) return;
            if (cell.group(3) == null) cells.computeIfAbsent(sheet, key -> new TreeMap<>()).put(Sheet.key(row, column), answer);
            else looks.computeIfAbsent(sheet, key -> new TreeMap<>()).computeIfAbsent(Sheet.key(row, column), key -> new EnumMap<>(Dress.class))
                    .put(Dress.valueOf(cell.group(3).strip().toUpperCase(Locale.ROOT)), answer);
        });
        return new SheetAnswers(cells, looks, setting);
    }

    /** The names of answers. */
    public static String cell(String sheet, int row, int column) { return sheet + "!" + Range.name(row, column); }
    public static String look(String sheet, int row, int column, Dress dress) {
        return cell(sheet, row, column) + " " + dress.name().toLowerCase(Locale.ROOT);
    }

    public static String column(String sheet, int column) { return sheet + "!" + Range.letters(column) + ":" + Range.letters(column); }
    public static String row(String sheet, int row) { return sheet + "!" + (row + 1) + ":" + (row + 1); }
    public static String area(String sheet) { return sheet + "!" + AREA; }
    public static String fit(String sheet) { return sheet + "!" + FIT; }
    public static String breaks(String sheet, boolean rows) { return sheet + "!" + (rows ? ROWS : COLUMNS); }

    /** The answer for breaks before rows or columns, each told from 0. */
    public static String breaks(List<Integer> before) { return String.join(" ", before.stream().map(Object::toString).toList()); }

    static boolean isColumn(String setting) { return COLUMN.matcher(setting).matches(); }
    static boolean isRow(String setting) { return ROW.matcher(setting).matches(); }

    public static int rowOf(long place) { return (int) (place >>> 20); }
    public static int columnOf(long place) { return (int) (place & (1 << 20) - 1); }

    public boolean isEmpty() { return cells.isEmpty() && looks.isEmpty() && setting.isEmpty(); }

    /** A look with what is told of it; what can't be read changes nothing. */
    public static CellStyle dressed(CellStyle style, Map<Dress, String> told) {
        CellStyle made = style;
        for (Map.Entry<Dress, String> one : told.entrySet()) made = dressed(made, one.getKey(), one.getValue());
        return made;
    }

    private static CellStyle dressed(CellStyle style, Dress dress, String answer) {
        return switch (dress) {
            case BOLD -> style.lettered(style.font().with(TextProperty.BOLD, Boolean.valueOf(answer)));
            case ITALIC -> style.lettered(style.font().with(TextProperty.ITALIC, Boolean.valueOf(answer)));
            case FORMAT -> answer.isBlank() ? style : style.showing(answer);
            case ACROSS -> Arrays.stream(CellStyle.Across.values()).filter(one -> one.name().equals(answer)).findFirst().map(style::standing).orElse(style);
            case FILL -> answer.isEmpty() ? style.filled(null) : COLOURS.matcher(answer).matches() ? style.filled(colour(answer)) : style;
            case COLOUR -> COLOURS.matcher(answer).matches() ? style.lettered(style.font().with(TextProperty.COLOUR, colour(answer))) : style;
            case SIZE -> {
                double size = length(answer);
                yield size >= LEAST_SIZE && size <= MOST_SIZE ? style.lettered(style.font().with(TextProperty.SIZE, size)) : style;
            }
            case WRAP -> style.wrapping(Boolean.parseBoolean(answer));
            case LINES -> CellSides.of(answer).map(sides -> style.lined(sides.over(style.borders()))).orElse(style);
        };
    }

    private static Colour colour(String answer) { return new Colour(Integer.parseInt(answer, 16)); }

    /** The workbook with columns, rows, breaks and areas as they are set. */
    public Workbook set(Workbook workbook) {
        if (setting.isEmpty()) return workbook;
        List<Sheet> sheets = new ArrayList<>();
        for (Sheet sheet : workbook.sheets()) {
            Sheet now = sheet;
            Map<String, String> own = new TreeMap<>(setting.getOrDefault(sheet.name(), Map.of()));
            for (Map.Entry<String, String> one : own.entrySet()) now = set(now, one.getKey(), one.getValue());
            sheets.add(now);
        }
        return workbook.withSheets(sheets);
    }

    private static Sheet set(Sheet sheet, String name, String answer) {
        Matcher column = COLUMN.matcher(name);
        Matcher row = ROW.matcher(name);
        if (column.matches()) return column(sheet, Range.column(column.group(1)), answer);
        if (row.matches()) return row(sheet, Integer.parseInt(row.group(1)) - 1, answer);
        PageSetup setup = sheet.setup();
        return switch (name) {
            case ROWS -> sheet.withSetup(setup.broken(numbers(answer), setup.columnBreaks()));
            case COLUMNS -> sheet.withSetup(setup.broken(setup.rowBreaks(), numbers(answer)));
            case AREA -> {
                Range area = answer.isBlank() ? null : Range.of(answer);
                yield sheet.withSetup(setup.withAreas(area == null ? List.of() : List.of(area)));
            }
            case FIT -> answer.matches("[0-9]{1,3} [0-9]{1,3}") ? sheet.withSetup(setup.fitted(Integer.parseInt(answer.substring(0, answer.indexOf(' '))),
                    Integer.parseInt(answer.substring(answer.indexOf(' ') + 1)))) : sheet;
            default -> sheet;
        };
    }

    private static List<Integer> numbers(String answer) {
        return Arrays.stream(answer.split(" ")).filter(one -> one.matches("[1-9][0-9]{0,6}")).map(Integer::valueOf).toList();
    }

    /** A length in points; NaN where an answer is none. */
    private static double length(String answer) {
        try {
            double length = Double.parseDouble(answer);
            return length >= 0 && length <= MOST ? length : Double.NaN;
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }

    private static Sheet column(Sheet sheet, int at, String answer) {
        double width = length(answer);
        boolean hides = HIDDEN.equals(answer.toLowerCase(Locale.ROOT));
        if (Double.isNaN(width) && !hides && !SHOWN.equals(answer)) return sheet;
        List<Column> columns = new ArrayList<>();
        Column own = new Column(at, at, sheet.columnWidth(), false);
        for (Column one : sheet.columns()) {
            if (one.from() > at || one.to() < at) {
                columns.add(one);
                continue;
            }
            own = new Column(at, at, one.width(), one.hidden(), one.depth(), one.style());
            if (one.from() < at) columns.add(new Column(one.from(), at - 1, one.width(), one.hidden(), one.depth(), one.style()));
            if (one.to() > at) columns.add(new Column(at + 1, one.to(), one.width(), one.hidden(), one.depth(), one.style()));
        }
        double wide = Double.isNaN(width) ? own.width() > 0 ? own.width() : sheet.columnWidth() : width;
        columns.add(new Column(at, at, wide, hides, own.depth(), own.style()));
        columns.sort((one, other) -> Integer.compare(one.from(), other.from()));
        return sheet.withColumns(columns);
    }

    private static Sheet row(Sheet sheet, int at, String answer) {
        double height = length(answer);
        boolean hides = HIDDEN.equals(answer);
        if (Double.isNaN(height) && !hides && !SHOWN.equals(answer)) return sheet;
        List<Row> rows = new ArrayList<>(sheet.rows());
        int position = sheet.position(at);
        Row own = sheet.row(at);
        Row now = own == null ? new Row(at, height, hides, List.of()) : new Row(at, Double.isNaN(height) ? own.height() : height, hides, own.depth(),
                own.cells());
        if (own == null) rows.add(position, now);
        else rows.set(position, now);
        return sheet.withRows(rows);
    }
}
