package app.decant.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.TextProperty;
import app.decant.layout.CellText;
import app.decant.page.Item;
import app.decant.sheet.CellStyle.Across;
import app.decant.sheet.CellStyle.Down;
import java.awt.geom.Rectangle2D;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** What is to be seen of one page of a sheet: fills, lines and texts of the cells that stand on it. */
final class SheetPainter {
    /** Between the edge of a cell and its text; common practice. */
    static final double PADDING = 1.5;
    /** A sign beside a number, in points. */
    /** The narrowest letters of any face, in ems. */
    private static final double THINNEST = 0.05;
    private static final double SIGN = 10;
    private static final double INDENT = 6.75;
    private static final double PLAIN_SIZE = 11;
    private static final Border GRID = new Border(Border.Line.SINGLE, 0.25, new Colour(0xB8B8B8), 0);
    private static final int FEWEST_DIGITS = 3;
    /** What numbers leave free of their column, in points. */
    private static final double LEAST = 0.75;

    private final Workbook workbook;
    private final Sheet sheet;
    private final PageSetup setup;
    private final SheetGrid grid;
    private final double scale;
    private final CellText setter;
    private final NumberText numbers;
    private final Conditions conditions;
    private final CellLinks links;
    private final int area;
    private final boolean byRow;
    private Tally tally;
    private final Map<Integer, Look> looks = new HashMap<>();
    private final Map<Look, Map<Character, Double>> signWidths = new HashMap<>();

    private int[] columns;
    private int[] rows;
    private double[] lefts;
    private double[] tops;
    private Map<Integer, Integer> columnAt;
    private Map<Integer, Integer> rowAt;
    /** The merged cells on the page, by each of their places. */
    private Map<Long, Range> merged;
    private List<Item> items;
    /** Texts that come over all fills and lines. */
    private List<Item> texts;

    /** What went amiss on the way, counted for whoever is told. */
    static final class Tally {
        int hashes;
        int cut;
        /** The columns of which something is seen, by their rows. */
        final SortedMap<Integer, BitSet> shown = new TreeMap<>();
    }

    SheetPainter(Workbook workbook, Sheet sheet, PageSetup setup, SheetGrid grid, double scale, CellText setter, NumberText numbers, Conditions conditions,
            CellLinks links, int area, boolean byRow) {
        this.workbook = workbook;
        this.sheet = sheet;
        this.setup = setup;
        this.grid = grid;
        this.scale = scale;
        this.setter = setter;
        this.numbers = numbers;
        this.conditions = conditions;
        this.links = links;
        this.area = area;
        this.byRow = byRow;
    }

    /** How high a wrapped cell's text is at full size. */
    static double height(Workbook workbook, CellText setter, NumberText numbers, Cell cell, CellStyle style, double width) {
        String text = numbers.of(cell.value(), style.format());
        if (style.turn() != 0) return TurnedText.height(setter, paragraph(TurnedText.shown(text, style), style.font(), Alignment.START), style);
        return setter.set(paragraph(text, style.font(), Alignment.START), Math.max(4, width - 2 * PADDING)).height();
    }

    /**
     * The items of a page.
     *
     * @param across  the columns that stand on it, those that repeat first
     * @param down    the rows, likewise
     * @param x       where the first column begins
     * @param repeatedColumns how many of the columns stand on a page before already
     * @param repeatedRows    likewise
     * @param told    what goes amiss is counted in it
     */
    List<Item> paint(int[] across, int[] down, double x, double y, int repeatedColumns, int repeatedRows, Tally told) {
        tally = told;
        columns = across;
        rows = down;
        lefts = edges(across, x, true);
        tops = edges(down, y, false);
        columnAt = places(across);
        rowAt = places(down);
        items = new ArrayList<>();
        texts = new ArrayList<>();
        merged = merged();
        tables();
        for (int r = 0; r < rows.length; r++) {
            Row row = sheet.row(rows[r]);
            if (row == null) continue;
            for (Cell cell : row.cells()) {
                Integer c = columnAt.get(cell.column());
                if (c != null) cell(row, cell, r, c, r < repeatedRows || c < repeatedColumns);
            }
        }
        lines();
        items.addAll(texts);
        objects(repeatedColumns, repeatedRows);
        return items;
    }

    /** What looks of tables put behind their cells, also behind those that hold nothing. */
    private void tables() {
        for (SheetTable one : sheet.matter().tables())
            for (int r = 0; r < rows.length; r++) for (int c = 0; c < columns.length; c++) {
                Colour fill = one.under(rows[r], columns[c]).fill();
                if (fill != null && lefts[c + 1] > lefts[c] && tops[r + 1] > tops[r])
                    items.add(new Item.Fill(lefts[c], tops[r], lefts[c + 1] - lefts[c], tops[r + 1] - tops[r], fill));
            }
    }

    /** What the look of a table puts under a cell. */
    private CellDress under(int row, int column) {
        for (SheetTable one : sheet.matter().tables()) if (one.range().holds(row, column)) return one.under(row, column);
        return CellDress.NONE;
    }

    /** What lies over the cells, as much of it as lies on the page: what goes over its edge is cut off there, and goes on on the next. */
    private void objects(int repeatedColumns, int repeatedRows) {
        if (repeatedColumns == columns.length || repeatedRows == rows.length) return;
        double x = lefts[repeatedColumns];
        double y = tops[repeatedRows];
        SheetOverlay overlay = new SheetOverlay(setter, scale, area, new Rectangle2D.Double(x, y, lefts[columns.length] - x, tops[rows.length] - y));
        for (SheetObject one : sheet.objects()) {
            double left = x + scale * (one.left() + across(columns[repeatedColumns], one.cells().left()));
            double right = x + scale * (one.right() + across(columns[repeatedColumns], one.cells().right()));
            double top = y + scale * (one.top() + down(rows[repeatedRows], one.cells().top()));
            double bottom = y + scale * (one.bottom() + down(rows[repeatedRows], one.cells().bottom()));
            overlay.paint(one, new Rectangle2D.Double(left, top, right - left, bottom - top), items);
        }
    }

    /** From the left edge of one column to that of another, to the left where it stands before. */
    private double across(int from, int to) { return to >= from ? grid.width(from, to - 1) : -grid.width(to, from - 1); }

    private double down(int from, int to) { return to >= from ? grid.height(from, to - 1) : -grid.height(to, from - 1); }

    private double[] edges(int[] indices, double from, boolean across) {
        double[] edges = new double[indices.length + 1];
        edges[0] = from;
        for (int i = 0; i < indices.length; i++) edges[i + 1] = edges[i] + scale * (across ? grid.width(indices[i]) : grid.height(indices[i]));
        return edges;
    }

    private static Map<Integer, Integer> places(int[] indices) {
        Map<Integer, Integer> places = new HashMap<>();
        for (int i = 0; i < indices.length; i++) places.put(indices[i], i);
        return places;
    }

    private Map<Long, Range> merged() {
        Map<Long, Range> found = new HashMap<>();
        for (Range one : sheet.merged())
            for (int row : rows)
                for (int column : columns) if (one.holds(row, column)) found.put(Sheet.key(row, column), one);
        return found;
    }

    private void cell(Row row, Cell cell, int r, int c, boolean repeated) {
        CellStyle style = workbook.style(cell);
        Range whole = merged.get(Sheet.key(row.index(), cell.column()));
        boolean origin = whole == null || whole.top() == row.index() && whole.left() == cell.column();
        if (whole != null && !origin) return;
        double[] box = whole == null ? new double[] {lefts[c], tops[r], lefts[c + 1], tops[r + 1]} : box(whole, r, c);
        if (box[2] <= box[0] || box[3] <= box[1]) return;
        Conditions.Shown shown = conditions.of(row.index(), cell);
        Colour fill = shown.dress().fill() != null ? shown.dress().fill() : style.fill();
        if (fill != null) items.add(new Item.Fill(box[0], box[1], box[2] - box[0], box[3] - box[1], fill));
        signs(shown, box);
        if (!cell.isEmpty() && shown.telling()) text(row, cell, style, shown.dress(), r, c, whole != null, box, repeated);
    }

    /** Bars and signs that rules put behind and beside what a cell holds. */
    private void signs(Conditions.Shown shown, double[] box) {
        if (shown.bar() != null) {
            double inset = Math.min(1.2 * scale, (box[3] - box[1]) / 6);
            double width = (box[2] - box[0] - 2 * inset) * shown.length();
            if (width > 0.1) items.add(new Item.Fill(box[0] + inset, box[1] + inset, width, box[3] - box[1] - 2 * inset, shown.bar()));
        }
        if (shown.icon() == null) return;
        double size = Math.min(SIGN * scale, Math.min(box[3] - box[1] - scale, box[2] - box[0]));
        // It stands on the line of numbers, which is at the foot of most cells.
        double below = (Math.min(box[3] - box[1], (SIGN + 3) * scale) - size) / 2;
        if (size > 0.5) items.add(new Item.PictureItem(shown.icon().picture(size), box[0] + PADDING * scale, box[3] - size - below));
    }

    private double[] box(Range whole, int r, int c) {
        int lastColumn = c;
        int lastRow = r;
        while (lastColumn + 1 < columns.length && whole.holds(rows[r], columns[lastColumn + 1])) lastColumn++;
        while (lastRow + 1 < rows.length && whole.holds(rows[lastRow + 1], columns[c])) lastRow++;
        return new double[] {lefts[c], tops[r], lefts[lastColumn + 1], tops[lastRow + 1]};
    }

    /** Lines of borders and of the grid: of two that meet the stronger; what lies within merged cells has none. */
    private void lines() {
        Border[][] flat = new Border[rows.length + 1][columns.length];
        Border[][] upright = new Border[rows.length][columns.length + 1];
        for (int r = 0; r < rows.length; r++) for (int c = 0; c < columns.length && !sheet.matter().tables().isEmpty(); c++)
            lines(flat, upright, r, c, under(rows[r], columns[c]).borders());
        for (int r = 0; r < rows.length; r++) {
            Row row = sheet.row(rows[r]);
            if (row == null) continue;
            for (Cell cell : row.cells()) {
                Integer c = columnAt.get(cell.column());
                Borders borders = c == null ? null : borders(row, cell);
                if (borders != null) lines(flat, upright, r, c, borders);
            }
        }
        for (int r = 0; r < rows.length; r++) {
            for (int c = 0; c < columns.length; c++) {
                Range here = merged.get(Sheet.key(rows[r], columns[c]));
                if (here != null && r > 0 && here == merged.get(Sheet.key(rows[r - 1], columns[c]))) flat[r][c] = Border.NONE;
                if (here != null && c > 0 && here == merged.get(Sheet.key(rows[r], columns[c - 1]))) upright[r][c] = Border.NONE;
            }
        }
        for (int r = 0; r <= rows.length; r++) {
            for (int c = 0; c < columns.length; ) {
                Border border = drawn(flat[r][c]);
                int end = c + 1;
                while (end < columns.length && border != null && border.equals(drawn(flat[r][end]))) end++;
                if (border != null) items.add(new Item.Rule(lefts[c], tops[r], lefts[end], tops[r], border));
                c = end;
            }
        }
        for (int c = 0; c <= columns.length; c++) {
            for (int r = 0; r < rows.length; ) {
                Border border = drawn(upright[r][c]);
                int end = r + 1;
                while (end < rows.length && border != null && border.equals(drawn(upright[end][c]))) end++;
                if (border != null) items.add(new Item.Rule(lefts[c], tops[r], lefts[c], tops[end], border));
                r = end;
            }
        }
    }

    private static void lines(Border[][] flat, Border[][] upright, int r, int c, Borders borders) {
        if (borders == null) return;
        flat[r][c] = stronger(flat[r][c], borders.top());
        flat[r + 1][c] = stronger(flat[r + 1][c], borders.bottom());
        upright[r][c] = stronger(upright[r][c], borders.left());
        upright[r][c + 1] = stronger(upright[r][c + 1], borders.right());
    }

    private Borders borders(Row row, Cell cell) {
        Borders own = workbook.style(cell).borders();
        Borders ruled = conditions.of(row.index(), cell).dress().borders();
        return ruled == null ? own : ruled.over(own);
    }

    private Border drawn(Border border) {
        if (border == Border.NONE) return null;
        if (border == null || !border.isVisible()) return setup.grid() ? GRID : null;
        return new Border(border.line(), border.width() * scale, border.colour(), 0);
    }

    private static Border stronger(Border one, Border other) {
        if (other == null || !other.isVisible()) return one;
        return one == null || !one.isVisible() || other.width() >= one.width() ? other : one;
    }

    /** The letters of a cell; those that nobody dressed take what the look of a table says. */
    private Look letters(Row row, Cell cell) {
        Look own = look(cell.style());
        CellDress table = under(row.index(), cell.column());
        boolean plain = table != CellDress.NONE && workbook.style(cell).font().equals(workbook.styles().get(0).font());
        return plain ? table.font().over(own) : own;
    }

    private Look look(int style) {
        return looks.computeIfAbsent(style, key -> {
            Look font = workbook.styles().get(key).font();
            return font.with(TextProperty.SIZE, Math.max(0.5, font.get(TextProperty.SIZE, PLAIN_SIZE) * scale));
        });
    }

    private void text(Row row, Cell cell, CellStyle style, CellDress dress, int r, int c, boolean isMerged, double[] box, boolean repeated) {
        String format = dress.format() == null ? style.format() : dress.format();
        String shown = numbers.of(cell.value(), format);
        if (shown.isBlank()) return;
        Look look = dress.font().over(letters(row, cell));
        Colour colour = numbers.colour(cell.value(), format);
        if (colour != null) look = look.with(TextProperty.COLOUR, colour);
        Link link = links.shown(sheet, cell.link());
        if (link != null) look = look.with(TextProperty.LINK, link);
        if (style.turn() != 0) {
            Paragraph said = stretched(cell, TurnedText.shown(shown, style), look, Alignment.START);
            turned(new TurnedText(setter, said, style, across(cell, style), scale, box), r, c, repeated);
            return;
        }
        Across across = across(cell, style);
        double indent = PADDING * scale + style.indent() * INDENT * scale;
        double left = box[0] + (across == Across.LEFT || across == Across.JUSTIFY || across == Across.FILL ? indent : PADDING * scale);
        double right = box[2] - (across == Across.RIGHT ? indent : PADDING * scale);
        double room = Math.max(1, right - left);
        boolean wraps = (style.wraps() || across == Across.JUSTIFY) && cell.value() instanceof CellValue.Text;
        CellText.Lines lines;
        double shift;
        double size = look.get(TextProperty.SIZE, PLAIN_SIZE);
        if (wraps) {
            lines = setter.set(stretched(cell, seen(shown, room * (2 + (box[3] - box[1]) / (size / 2)), size), look, alignment(across)), room);
            shift = left;
        } else {
            String line = seen(shown, lefts[columns.length] - lefts[0] + room, size).replace('\n', ' ').replace("\r", "");
            // A number that will not be seen as it is need not be set as it is.
            boolean wide = cell.value() instanceof CellValue.Number && !style.shrinks() && width(line, look) > box[2] - box[0] - LEAST * scale;
            if (wide) line = narrower(cell, style, look, room, repeated);
            Paragraph said = stretched(cell, line, look, Alignment.START);
            lines = cell.value() instanceof CellValue.Number ? setter.signs(said, look) : setter.set(said, CellText.ENDLESS);
            double width = lines.width();
            double[] space = {left, right};
            if (width > room + 0.3) {
                if (style.shrinks()) {
                    double smaller = Math.max(0.5, size * room / width * 0.99);
                    lines = setter.set(paragraph(line, look.with(TextProperty.SIZE, smaller), Alignment.START), CellText.ENDLESS);
                } else if (cell.value() instanceof CellValue.Text) {
                    if (!isMerged) space = spilled(row, r, c, across, left, right, width);
                    if (width > space[1] - space[0] + 0.3) lines = cut(lines, line, look, space[1] - space[0], repeated);
                } else if (width <= box[2] - box[0] - LEAST * scale) {
                    // A number may reach into the room beside it before it is told as too wide.
                    space = new double[] {box[0] + LEAST * scale / 2, box[2] - LEAST * scale / 2};
                } else {
                    lines = setter.signs(paragraph(narrower(cell, style, look, room, repeated), look, Alignment.START), look);
                }
                width = lines.width();
            }
            shift = across == Across.RIGHT ? space[1] - width : across == Across.CENTRE || across == Across.CENTRE_ACROSS
                    ? Math.max(space[0], (box[0] + box[2] - width) / 2) : space[0];
            if (across == Across.CENTRE && shift + width > space[1]) shift = space[1] - width;
        }
        double height = lines.height();
        double down = style.down() == Down.TOP || style.down() == Down.JUSTIFY ? box[1] : style.down() == Down.MIDDLE ? (box[1] + box[3] - height) / 2
                : box[3] - height;
        if (down < box[1] && lines.lines().size() > 1) down = box[1];
        place(lines, shift, down, box, r, c, repeated);
    }

    private void place(CellText.Lines lines, double x, double y, double[] box, int r, int c, boolean repeated) {
        boolean lost = false;
        CellPassage passage = passage(lines.lines(), r, c);
        for (Item.LineItem line : lines.lines()) {
            Item.LineItem moved = new Item.LineItem(passage, line.line(), line.x() + x, line.y() + y, line.editable());
            // Of lines that the row has no room for, nothing is seen.
            if (lines.lines().size() > 1 && moved.baseline() > box[3] + 1) {
                lost = true;
                continue;
            }
            texts.add(repeated ? moved.locked() : moved);
            if (!repeated) tally.shown.computeIfAbsent(rows[r], key -> new BitSet()).set(columns[c]);
        }
        if (lost && !repeated) tally.cut++;
    }

    private CellPassage passage(List<Item.LineItem> lines, int r, int c) {
        int length = lines.isEmpty() ? 0 : lines.get(0).passage().length();
        return new CellPassage(area, rows[r], byRow ? CellPassage.WHOLE_ROW : columns[c], length, links.marks(sheet, rows[r], columns[c]));
    }

    private void turned(TurnedText text, int r, int c, boolean repeated) {
        List<Item.LineItem> lines = text.lines();
        CellPassage passage = passage(lines, r, c);
        for (Item.LineItem line : lines) {
            texts.add(new Item.LineItem(passage, line.line(), line.x(), line.y(), line.editable() && !repeated, line.turn()));
            if (!repeated) tally.shown.computeIfAbsent(rows[r], key -> new BitSet()).set(columns[c]);
        }
        if (text.isCut() && !repeated) tally.cut++;
    }

    private static Across across(Cell cell, CellStyle style) {
        if (style.across() != Across.BY_KIND) return style.across();
        if (cell.value() instanceof CellValue.Number) return Across.RIGHT;
        return cell.value() instanceof CellValue.Text ? Across.LEFT : Across.CENTRE;
    }

    private static Alignment alignment(Across across) {
        return switch (across) {
            case CENTRE, CENTRE_ACROSS -> Alignment.CENTRE;
            case RIGHT -> Alignment.END;
            case JUSTIFY -> Alignment.JUSTIFY;
            default -> Alignment.START;
        };
    }

    /** How far text may run over empty neighbours, to the sides that its alignment lets it. */
    private double[] spilled(Row row, int r, int c, Across across, double left, double right, double width) {
        double from = left;
        double to = right;
        boolean rightward = across != Across.RIGHT;
        boolean leftward = across == Across.RIGHT || across == Across.CENTRE;
        double middle = (left + right) / 2;
        for (int next = c + 1; rightward && next < columns.length && to < (across == Across.CENTRE ? middle + width / 2 : left + width)
                && isFree(row, r, next); next++) to = lefts[next + 1];
        for (int next = c - 1; leftward && next >= 0 && from > (across == Across.CENTRE ? middle - width / 2 : right - width)
                && isFree(row, r, next); next--) from = lefts[next];
        return new double[] {from, to};
    }

    private boolean isFree(Row row, int r, int c) {
        Cell cell = row.cell(columns[c]);
        return (cell == null || cell.isEmpty()) && !merged.containsKey(Sheet.key(rows[r], columns[c]));
    }

    /** No more letters than could be seen in a line: some cells hold millions. */
    static String seen(String text, double room, double size) {
        int most = 1 + (int) (room / (THINNEST * size));
        return text.length() <= most ? text : text.substring(0, Character.isHighSurrogate(text.charAt(most - 1)) ? most - 1 : most);
    }

    /** As many letters as there is room for, as files show it. */
    private CellText.Lines cut(CellText.Lines lines, String text, Look look, double room, boolean repeated) {
        Item.LineItem line = lines.lines().get(0);
        int end = Math.min(text.length(), line.line().offsetAt(room));
        while (end > 0 && line.line().caretX(end) > room) end--;
        if (!repeated) tally.cut++;
        return setter.set(paragraph(text.substring(0, Math.max(1, end)), look, Alignment.START), CellText.ENDLESS);
    }

    /** A number that is too wide: with fewer digits where its format lets it, else signs that say so. */
    private String narrower(Cell cell, CellStyle style, Look look, double room, boolean repeated) {
        if (cell.value() instanceof CellValue.Number number && style.format().equalsIgnoreCase(CellStyle.GENERAL)) {
            BigDecimal exact = BigDecimal.valueOf(number.value());
            // Of more digits than there is room for none is looked at.
            int most = Math.max(FEWEST_DIGITS, Math.min(10, (int) (room / Math.max(0.5, width("0", look))) + 1));
            for (int digits = most; digits >= FEWEST_DIGITS; digits--) {
                double rounded = exact.round(new MathContext(digits)).doubleValue();
                String shorter = numbers.of(CellValue.of(rounded), CellStyle.GENERAL);
                if (width(shorter, look) <= room + 0.3) return shorter;
            }
        }
        if (!repeated) tally.hashes++;
        return "#".repeat(Math.max(1, Math.min(200, (int) (room / Math.max(0.5, width("#", look))))));
    }

    /** How wide a number is: as wide as its signs, each of which is set once. */
    private double width(String number, Look look) {
        Map<Character, Double> known = signWidths.computeIfAbsent(look, key -> new HashMap<>());
        double width = 0;
        for (int i = 0; i < number.length(); i++) width += known.computeIfAbsent(number.charAt(i), sign -> setter.set(paragraph(String.valueOf(sign), look,
                Alignment.START), CellText.ENDLESS).width());
        return width;
    }

    /** A text whose stretches look as they say, as large as the page lets them. */
    private Paragraph stretched(Cell cell, String shown, Look look, Alignment alignment) {
        Paragraph plain = paragraph(shown, look, alignment);
        boolean same = cell.value() instanceof CellValue.Text text && !text.stretches().isEmpty() && text.text().length() == shown.length();
        if (!same) return plain;
        List<Inline> inlines = new ArrayList<>();
        String clean = ((Inline.Text) plain.inlines().get(0)).text();
        if (clean.length() != shown.length()) return plain;
        int from = 0;
        for (CellValue.Stretch one : ((CellValue.Text) cell.value()).stretches()) {
            if (one.from() > from) inlines.add(new Inline.Text(clean.substring(from, one.from()), look));
            Double size = one.look().get(TextProperty.SIZE);
            Look own = size == null ? one.look() : one.look().with(TextProperty.SIZE, Math.max(0.5, size * scale));
            inlines.add(new Inline.Text(clean.substring(one.from(), one.to()), own.over(look)));
            from = one.to();
        }
        if (from < clean.length()) inlines.add(new Inline.Text(clean.substring(from), look));
        return new Paragraph(plain.style(), plain.look(), plain.mark(), inlines);
    }

    static Paragraph paragraph(String text, Look look, Alignment alignment) {
        String clean = text.replace("\r\n", "\n").replace('\r', '\n').replace('\n', Inline.LINE_BREAK).replace(Inline.OBJECT, ' ');
        Look paragraph = alignment == Alignment.START ? Look.PLAIN : Look.of(ParagraphProperty.ALIGNMENT, alignment);
        return new Paragraph(null, paragraph, look, clean.isEmpty() ? List.of() : List.of(new Inline.Text(clean, look)));
    }
}
