package app.decant.sheet;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Section;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.sheet.CellStyle.Across;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Sheets as tables of a text document: each under its name, cells with what they show, looks and merges kept, as wide as the paper has room. */
public final class SheetText {
    private static final double GAP = 6;
    private static final double LEAST = 12;
    private static final int MOST_COLUMNS = 63;
    private static final Border HAIR = Border.single(0.5, new Colour(0xBFBFBF));

    private final Workbook workbook;
    private final int mostRows;
    private final NumberText numbers;
    /** Where the cells of the tables come from, in the order of making: their sheet is told last. */
    private final Map<BlockPath, CellPlace> places = new HashMap<>();

    /** The place of a cell in a workbook, all from 0. */
    public record CellPlace(int sheet, int row, int column) { }

    private SheetText(Workbook workbook, int mostRows) {
        this.workbook = workbook;
        this.mostRows = mostRows;
        numbers = new NumberText(workbook, Locale.getDefault(Locale.Category.FORMAT));
    }

    /** The document of the sheets that are chosen; those that hold nothing are left out. */
    public static Document of(Workbook workbook, SheetChoice choice) { return new SheetText(workbook, Integer.MAX_VALUE).document(choice); }

    /** The same with the first rows only, of each area at most so many: to be looked at, not to be published. */
    public static Document beginning(Workbook workbook, int mostRows) { return new SheetText(workbook, mostRows).document(SheetChoice.AS_SET_UP); }

    /** Where the cells of the tables come from that a workbook is taken in as, by their way in its document: section, block, row, cell. */
    public static Map<BlockPath, CellPlace> places(Workbook workbook) {
        SheetText text = new SheetText(workbook, Integer.MAX_VALUE);
        text.document(SheetChoice.AS_SET_UP);
        return text.places;
    }

    private Document document(SheetChoice choice) {
        List<Section> sections = new ArrayList<>();
        for (SheetChoice.Wished wished : choice.of(workbook)) {
            Range used = wished.sheet().used(workbook.styles());
            if (used == null) continue;
            List<Range> areas = wished.setup().areas().isEmpty() ? List.of(new Range(0, 0, used.bottom(), used.right())) : wished.setup().areas();
            PageGeometry page = wished.setup().page();
            List<Block> blocks = new ArrayList<>(List.of(Paragraph.styled("Heading1", wished.sheet().name())));
            for (Range area : areas) {
                Range seen = area.within(new Range(0, 0, used.bottom(), used.right()));
                if (seen == null) continue;
                int number = numberOf(wished.sheet());
                blocks.add(table(wished.sheet(), number, seen, page.textWidth(), BlockPath.of(sections.size(), blocks.size())));
                blocks.add(Paragraph.of(""));
            }
            sections.add(new Section(Section.Start.NEXT_PAGE, page, Section.Columns.ONE, Section.PageNumbering.CONTINUED, Map.of(), false, blocks));
        }
        if (sections.isEmpty()) sections.add(Section.PLAIN.withBlocks(List.of(Paragraph.of(""))));
        return Document.empty().withStyles(styles(workbook)).withFacts(workbook.facts()).withSections(sections);
    }

    private int numberOf(Sheet sheet) {
        for (int i = 0; i < workbook.sheets().size(); i++) if (workbook.sheets().get(i).name().equals(sheet.name())) return i;
        return -1;
    }

    private static StyleSheet styles(Workbook workbook) {
        Look plain = workbook.styles().get(0).font();
        Style normal = new Style("Normal", "Normal", Style.Kind.PARAGRAPH, null, null, Look.PLAIN);
        Style heading = new Style("Heading1", "heading 1", Style.Kind.PARAGRAPH, "Normal", "Normal", Look.of(ParagraphProperty.OUTLINE_LEVEL, 1)
                .with(TextProperty.SIZE, 16.0).with(TextProperty.BOLD, true).with(ParagraphProperty.SPACE_AFTER, GAP).with(ParagraphProperty.KEEP_WITH_NEXT,
                        true));
        return new StyleSheet(plain, "Normal", null, Map.of()).with(normal).with(heading);
    }

    private Table table(Sheet sheet, int number, Range area, double room, BlockPath path) {
        List<Integer> columns = new ArrayList<>();
        SheetGrid grid = new SheetGrid(workbook, sheet, area, (cell, style, width) -> 0);
        for (int c = area.left(); c <= area.right() && columns.size() < MOST_COLUMNS; c++) if (grid.width(c) > 0) columns.add(c);
        double wide = columns.stream().mapToDouble(grid::width).sum();
        double scale = wide > room ? room / wide : 1;
        List<Double> widths = columns.stream().map(column -> Math.max(LEAST, grid.width(column) * scale)).toList();
        Map<Long, Range> merged = sheet.mergedFrom();
        List<Table.Row> rows = new ArrayList<>();
        List<Integer> seen = new ArrayList<>();
        for (int r = area.top(); r <= area.bottom() && seen.size() < mostRows; r++) if (grid.height(r) > 0) seen.add(r);
        for (int r = 0; r < seen.size(); r++) rows.add(row(sheet, number, seen, r, columns, merged, path));
        return new Table(Look.PLAIN, widths, rows);
    }

    private Table.Row row(Sheet sheet, int number, List<Integer> seen, int r, List<Integer> columns, Map<Long, Range> merged, BlockPath path) {
        int index = seen.get(r);
        List<Table.Cell> cells = new ArrayList<>();
        for (int c = 0; c < columns.size(); c++) {
            int column = columns.get(c);
            Range whole = merged.get(Sheet.key(index, column));
            Range over = whole != null ? whole : covering(sheet, index, column);
            if (over != null && whole == null) continue;
            int span = 1;
            while (whole != null && c + span < columns.size() && columns.get(c + span) <= whole.right()) span++;
            int down = 1;
            while (whole != null && r + down < seen.size() && seen.get(r + down) <= whole.bottom()) down++;
            places.put(path.then(r, cells.size()), new CellPlace(number, index, column));
            cells.add(cell(sheet.cell(index, column), c, span, down));
        }
        return new Table.Row(r == 0 ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells);
    }

    private static Range covering(Sheet sheet, int row, int column) {
        for (Range one : sheet.merged()) if (one.holds(row, column)) return one;
        return null;
    }

    private Table.Cell cell(Cell cell, int column, int span, int down) {
        CellStyle style = cell == null ? workbook.styles().get(0) : workbook.style(cell);
        String text = cell == null ? "" : numbers.of(cell.value(), style.format());
        Look letters = cell != null && cell.link() != null ? style.font().with(TextProperty.LINK, cell.link()) : style.font();
        boolean number = cell != null && cell.value() instanceof CellValue.Number;
        Alignment alignment = style.across() == Across.RIGHT || style.across() == Across.BY_KIND && number ? Alignment.END
                : style.across() == Across.CENTRE || style.across() == Across.CENTRE_ACROSS ? Alignment.CENTRE : Alignment.START;
        Look look = alignment == Alignment.START ? Look.PLAIN : Look.of(ParagraphProperty.ALIGNMENT, alignment);
        Paragraph paragraph = new Paragraph("Normal", look, letters, text.isEmpty() ? List.of()
                : List.of(new Inline.Text(text.replace("\r", "").replace('\n', Inline.LINE_BREAK), letters)));
        Borders borders = style.borders() == null ? Borders.all(HAIR) : style.borders().over(Borders.all(HAIR));
        Look dress = Look.of(TableProperty.BORDERS, new Borders(borders.top(), borders.right(), borders.bottom(), borders.left(), null, null));
        if (style.fill() != null) dress = dress.with(TableProperty.SHADING, style.fill());
        return new Table.Cell(column, span, down, dress, List.of(paragraph));
    }
}
