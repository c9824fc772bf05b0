package app.decant.layout;

import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.page.Item;
import app.decant.page.Line;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Sets a table for a column's width: the widths of its columns, the heights of its rows, and each row as a strip that can be cut if it must. */
final class TableSetter {
    static final Insets PADDING = new Insets(0, 5.4, 0, 5.4);
    private static final List<Property<?>> OF_TABLES = List.of(TableProperty.BORDERS, TableProperty.SHADING, TableProperty.PADDING, TableProperty.INDENT,
            TableProperty.ALIGNMENT, TableProperty.STYLE, TableProperty.WIDTH, TableProperty.WIDTH_SHARE, TableProperty.FITTED,
            TableProperty.VERTICAL_ALIGNMENT, TableProperty.HEADER_ROW, TableProperty.KEEP_ROW, TableProperty.ROW_HEIGHT, TableProperty.ROW_HEIGHT_EXACT,
            TableProperty.PARTS, TableProperty.RUNNING);

    private final Composer composer;
    private final Table table;
    private final double[] columnX;
    /** What its cells ask of its columns; null where nobody needed to know. */
    private FittedColumns contents;
    private final boolean fitted;
    /** Whether a word of a row that was set here is torn, or something wider than its cell, though columns are fitted. */
    private boolean torn;
    private final List<Row> rows = new ArrayList<>();

    /** One row: its cells, its height, and what it asks for at page ends. {@code breaks} where its first paragraph wants a new page. */
    record Row(List<Cell> cells, double height, boolean header, boolean kept, boolean inSpan, boolean breaks, Own own) {
        /** The same row as others make it. */
        Row in(double newHeight, boolean spanned) {
            return newHeight == height && spanned == inSpan ? this : new Row(cells, newHeight, header, kept, spanned, breaks, own);
        }
    }

    /** What a row is by itself: its height, whether a cell of it reaches further down, whether it is the same wherever and whenever it is set. */
    private record Own(double height, boolean reaches, boolean constant) { }

    /** One cell as set. */
    record Cell(double x, double width, List<Strip> strips, Insets padding, Colour fill, Borders borders, int rowSpan, VerticalAlignment vertical,
            double needed, TurnedCell turned) { }

    TableSetter(Composer composer, Table table, double available, double reach) { this(composer, table, available, reach, null); }

    /**
     * @param reach how far right of the column's left edge it may stretch, or it would leave its paper
     * @param kin   the same table set before an edit, whose cells are taken over where nothing can have changed in them; or null
     */
    TableSetter(Composer composer, Table table, double available, double reach, TableSetter kin) {
        this.composer = composer;
        this.table = table;
        Look look = composer.styles().cascade().table(table);
        columnX = new double[table.columns().size() + 1];
        fitted = look.is(TableProperty.FITTED);
        if (fitted && (kin != null && kin.contents != null || !FittedColumns.isStored(table.columns()))) measure(kin);
        place(look, available, reach);
        setRows(kin != null && isKin(kin) ? kin : null);
        if (!torn || contents != null) return;
        measure(null);
        place(look, available, reach);
        rows.clear();
        setRows(null);
    }

    private void measure(TableSetter kin) {
        contents = new FittedColumns(composer, table, kin != null && kin.composer.styles() == composer.styles() ? kin.contents : null);
    }

    private void place(Look look, double available, double reach) {
        double[] widths = widths(look, available);
        double total = Arrays.stream(widths).sum();
        Alignment alignment = look.get(TableProperty.ALIGNMENT, Alignment.START);
        double wished = switch (alignment) {
            case CENTRE -> (available - total) / 2;
            case END -> available - total;
            case START, JUSTIFY -> look.get(TableProperty.INDENT, 0.0);
        };
        boolean tooWide = wished + total > reach;
        double left = tooWide ? Math.max(Math.min(0, wished), reach - total) : wished;
        if (tooWide && total > reach - left) for (int i = 0; i < widths.length; i++) widths[i] *= (reach - left) / total;
        columnX[0] = left;
        for (int i = 0; i < widths.length; i++) columnX[i + 1] = columnX[i] + widths[i];
    }

    /** Whether a line of a row ends within a word, or is wider than its cell. */
    private boolean isTorn(Row row) {
        for (Cell cell : row.cells()) {
            double room = cell.width() - cell.padding().left() - cell.padding().right() + 0.5;
            for (Strip strip : cell.strips()) {
                if (strip.owner() == null) continue;
                for (Item item : strip.items()) {
                    if (!(item instanceof Item.LineItem one)) continue;
                    if (one.line().width() > room || divides(strip.owner(), one.line().end())) return true;
                }
            }
        }
        return false;
    }

    private static boolean divides(Paragraph paragraph, int at) {
        if (at <= 0 || at >= paragraph.length()) return false;
        String text = ParagraphText.flatText(paragraph);
        return Character.isLetterOrDigit(text.charAt(at - 1)) && Character.isLetterOrDigit(text.charAt(at));
    }

    private boolean isKin(TableSetter other) {
        return other.table.rows().size() == table.rows().size() && other.table.look().equals(table.look()) && Arrays.equals(other.columnX, columnX)
                && other.composer.styles() == composer.styles();
    }

    List<Row> rows() { return rows; }

    /** How many rows at the top repeat on each page. */
    int headerRows() { return headerRows(table); }

    static int headerRows(Table table) {
        int count = 0;
        while (count < table.rows().size() - 1 && table.rows().get(count).look().is(TableProperty.HEADER_ROW)) count++;
        return count;
    }

    private double[] widths(Look look, double available) { return widths(table, look, available, contents); }

    /** @param contents what the cells ask for, or null where nobody needed to know */
    private static double[] widths(Table table, Look look, double available, FittedColumns contents) {
        Double share = look.get(TableProperty.WIDTH_SHARE);
        double total = table.columns().stream().mapToDouble(width -> Math.max(0, width)).sum();
        boolean unsaid = contents == null ? total < 1 : !FittedColumns.isStored(table.columns());
        double wanted = share != null ? share * available : unsaid ? look.get(TableProperty.WIDTH, 0.0) : 0;
        double[] widths = new double[table.columns().size()];
        double whole = wanted > 0 ? wanted : total < 1 ? available : total;
        for (int i = 0; i < widths.length; i++) widths[i] = total < 1 ? whole / widths.length : Math.max(0, table.columns().get(i)) * (whole / total);
        boolean asStored = contents == null || FittedColumns.isStored(table.columns()) && contents.fitIn(widths);
        return asStored ? widths : contents.widths(table.columns(), wanted, available);
    }

    /** How wide its columns become where not all say it themselves. */
    static List<Double> columns(Composer composer, Table table, Look look, double available) {
        FittedColumns contents = look.is(TableProperty.FITTED) ? new FittedColumns(composer, table, null) : null;
        return Arrays.stream(widths(table, look, available, contents)).map(width -> Math.max(1, width)).boxed().toList();
    }

    private void setRows(TableSetter kin) {
        int count = table.rows().size();
        List<Row> own = new ArrayList<>(count);
        double[] heights = new double[count];
        boolean[] inSpan = new boolean[count];
        for (int r = 0; r < count; r++) {
            Row known = kin == null || kin.table.rows().get(r) != table.rows().get(r) ? null : kin.rows.get(r);
            Row row = known != null && known.own().constant() ? known : row(r, table.rows().get(r));
            torn |= fitted && row != known && isTorn(row);
            own.add(row);
            heights[r] = row.own().height();
            if (!row.own().reaches()) continue;
            for (Cell cell : row.cells()) for (int s = 1; s < cell.rowSpan() && r + s < count; s++) inSpan[r + s] = true;
        }
        for (int r = 0; r < count; r++) {
            if (!own.get(r).own().reaches()) continue;
            for (Cell cell : own.get(r).cells()) {
                if (cell.rowSpan() < 2) continue;
                int last = Math.min(count, r + cell.rowSpan()) - 1;
                double have = 0;
                for (int s = r; s <= last; s++) have += heights[s];
                if (have < cell.needed()) heights[last] += cell.needed() - have;
            }
        }
        for (int r = 0; r < count; r++) rows.add(own.get(r).in(heights[r], inSpan[r]));
    }

    private Row row(int r, Table.Row row) {
        List<Cell> cells = setCells(r, row);
        double height = row.look().get(TableProperty.ROW_HEIGHT, 0.0);
        boolean reaches = false;
        for (Cell cell : cells) {
            reaches |= cell.rowSpan() > 1;
            if (cell.rowSpan() == 1 && !row.look().is(TableProperty.ROW_HEIGHT_EXACT)) height = Math.max(height, cell.needed());
        }
        Own own = new Own(Math.max(height, 1), reaches, !composer.traits().has(row, Traits.LIST | Traits.NOTE | Traits.FIELD));
        return new Row(cells, own.height(), row.look().is(TableProperty.HEADER_ROW), row.look().is(TableProperty.KEEP_ROW), false, breaks(row), own);
    }

    private boolean breaks(Table.Row row) {
        if (row.cells().isEmpty() || row.cells().get(0).blocks().isEmpty() || !(row.cells().get(0).blocks().get(0) instanceof Paragraph first)) return false;
        return composer.styles().cascade().paragraph(first).is(ParagraphProperty.PAGE_BREAK_BEFORE);
    }

    private List<Cell> setCells(int r, Table.Row row) {
        List<Cell> set = new ArrayList<>();
        for (Table.Cell cell : row.cells()) {
            Look look = composer.styles().cascade().cell(table, r, cell);
            Insets padding = look.get(TableProperty.PADDING, PADDING);
            int from = Math.min(cell.column(), columnX.length - 1);
            int to = Math.min(columnX.length - 1, cell.column() + cell.columnSpan());
            double width = columnX[to] - columnX[from];
            Running running = look.get(TableProperty.RUNNING, Running.ACROSS);
            TurnedCell turned = running == Running.ACROSS ? null : new TurnedCell(composer, cell.blocks(), textOnly(look), running);
            List<Strip> strips = turned != null ? List.of(turned.room(height(r, cell.rowSpan()) - padding.top() - padding.bottom()))
                    : composer.stack(cell.blocks(), textOnly(look), Math.max(4, width - padding.left() - padding.right()));
            set.add(new Cell(columnX[from], width, strips, padding, look.get(TableProperty.SHADING), look.get(TableProperty.BORDERS), cell.rowSpan(),
                    look.get(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.TOP), padding.top() + Strip.height(strips) + padding.bottom(), turned));
        }
        return set;
    }

    /** How high rows are by their own word; 0 where one of them tells nothing. */
    private double height(int r, int span) {
        double height = 0;
        for (int s = r; s < Math.min(table.rows().size(), r + span); s++) {
            double own = table.rows().get(s).look().get(TableProperty.ROW_HEIGHT, 0.0);
            if (own == 0) return 0;
            height += own;
        }
        return height;
    }

    /** What the cell hands down to its paragraphs: everything but what dresses cells. */
    static Look textOnly(Look look) {
        Look result = look;
        for (Property<?> property : OF_TABLES) result = result.without(property);
        return result;
    }

    /** All rows as strips. */
    List<Strip> strips() {
        List<Strip> strips = new ArrayList<>();
        for (int r = 0; r < rows.size(); r++) {
            List<Strip> slices = RowSlices.of(r, rows.get(r));
            if (slices.size() > 1) strips.addAll(slices);
            else strips.add(strip(r, true));
        }
        return strips;
    }

    /** A whole row; a repeated head is not editable. */
    Strip strip(int r, boolean editable) {
        Row row = rows.get(r);
        int[] from = new int[row.cells().size()];
        int[] to = new int[from.length];
        for (int c = 0; c < from.length; c++) to[c] = row.cells().get(c).strips().size();
        Strip strip = part(r, from, to, row.height());
        return editable ? strip : strip.locked();
    }

    /** The part of a row made of some strips of each cell. */
    Strip part(int r, int[] from, int[] to, double height) {
        Row row = rows.get(r);
        List<Item> items = new ArrayList<>();
        List<Item> rules = new ArrayList<>();
        List<Inline.Note> notes = new ArrayList<>();
        for (int c = 0; c < from.length; c++) {
            Cell cell = row.cells().get(c);
            double cellHeight = height;
            for (int s = 1; s < cell.rowSpan() && r + s < rows.size(); s++) cellHeight += rows.get(r + s).height();
            List<Strip> strips = cell.strips().subList(from[c], to[c]);
            if (cell.fill() != null && !cell.fill().isAutomatic()) items.add(new Item.Fill(cell.x(), 0, cell.width(), cellHeight, cell.fill()));
            double free = cellHeight - cell.padding().top() - cell.padding().bottom() - Strip.height(strips);
            double down = switch (cell.vertical()) {
                case TOP -> 0;
                case CENTRE -> Math.max(0, free / 2);
                case BOTTOM -> Math.max(0, free);
            };
            if (cell.turned() != null && !strips.isEmpty()) items.addAll(cell.turned().placed(cell, cellHeight));
            else items.addAll(Composer.placed(strips, cell.x() + cell.padding().left(), cell.padding().top() + down));
            for (Strip strip : strips) notes.addAll(strip.notes());
            Borders borders = cell.borders();
            if (borders == null) continue;
            double right = cell.x() + cell.width();
            Frames.rule(rules, cell.x(), 0, right, 0, borders.top());
            Frames.rule(rules, cell.x(), cellHeight, right, cellHeight, borders.bottom());
            Frames.rule(rules, cell.x(), 0, cell.x(), cellHeight, borders.left());
            Frames.rule(rules, right, 0, right, cellHeight, borders.right());
        }
        items.addAll(rules);
        return new Strip(0, height, 0, items, notes, row.inSpan(), r, Line.Break.NONE, null);
    }

    /**
     * How far each cell of a row fits into a height: the counts of strips, or null where no cell's next strip fits or the row must stay whole.
     *
     * @param alone whether the row has a whole page to itself, so that it is cut even where it should stay whole: the paper ends
     */
    int[] fitting(int r, int[] from, double height, boolean alone) {
        Row row = rows.get(r);
        if (!alone && (row.kept() || row.inSpan() || row.cells().stream().anyMatch(cell -> cell.rowSpan() > 1))) return null;
        int[] to = from.clone();
        boolean any = false;
        for (int c = 0; c < to.length; c++) {
            Cell cell = row.cells().get(c);
            double y = cell.padding().top() + cell.padding().bottom();
            while (to[c] < cell.strips().size()) {
                Strip strip = cell.strips().get(to[c]);
                if (y + strip.before() + strip.height() > height) break;
                y += strip.before() + strip.height() + strip.after();
                to[c]++;
                any = true;
            }
            if (to[c] == from[c] && to[c] < cell.strips().size()) return null;
        }
        return any ? to : null;
    }

    /** The height a part of a row needs. */
    double partHeight(int r, int[] from, int[] to) {
        double height = 0;
        for (int c = 0; c < from.length; c++) {
            Cell cell = rows.get(r).cells().get(c);
            height = Math.max(height, cell.padding().top() + Strip.height(cell.strips().subList(from[c], to[c])) + cell.padding().bottom());
        }
        return height;
    }
}
