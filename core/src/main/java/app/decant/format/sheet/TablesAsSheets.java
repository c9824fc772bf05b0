package app.decant.format.sheet;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The tables of a text document as a workbook: a sheet for each, those that go on over pages joined, numbers as numbers. What stands beside the tables is
 * left out.
 */
public final class TablesAsSheets {
    private static final double SAME_EDGE = 3;
    private static final int LONGEST_NAME = 31;
    /** A line that is about a table stands close to it and is short. */
    private static final int LONGEST_CAPTION = 120;
    private static final double DEFAULT_COLUMN = 48;
    private static final double DEFAULT_ROW = 15;
    private static final List<Property<?>> LETTERS = List.of(TextProperty.FAMILY, TextProperty.SIZE, TextProperty.BOLD, TextProperty.ITALIC,
            TextProperty.COLOUR, TextProperty.UNDERLINE, TextProperty.STRIKE);

    private final Document document;
    private final Cascade cascade;
    private final ListLabels labels;
    private final boolean monthFirst;
    private final Map<CellStyle, Integer> styles = new LinkedHashMap<>();
    private final Set<String> names = new HashSet<>();

    /** A table that goes on in others, and what is said right before it. */
    private record Found(List<Table> parts, String caption) { }

    private TablesAsSheets(Document document) {
        this.document = document;
        cascade = Cascade.of(document);
        labels = ListLabels.of(document, cascade);
        String language = document.facts().language();
        monthFirst = language != null && language.equalsIgnoreCase("en-US");
        styles.put(CellStyle.PLAIN, 0);
    }

    /**
     * Makes it.
     *
     * @throws DecantException where the document has no table
     */
    public static ReadWorkbook of(Document document) {
        TablesAsSheets made = new TablesAsSheets(document);
        List<Found> found = made.found();
        if (found.isEmpty()) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("sheet.no-tables"));
        List<Sheet> sheets = found.stream().map(made::sheet).toList();
        Workbook workbook = new Workbook(sheets, List.copyOf(made.styles.keySet()), Map.of(), document.facts(), false);
        return new ReadWorkbook(workbook, List.of(Finding.lost(Message.of("sheet.tables-only", sheets.size()))));
    }

    /** Whether a document has any table. */
    public static boolean any(Document document) { return document.blocks().stream().anyMatch(Table.class::isInstance); }

    private List<Found> found() {
        List<Found> found = new ArrayList<>();
        String said = null;
        boolean between = true;
        for (Section section : document.sections()) {
            for (Block block : section.blocks()) {
                if (block instanceof Table table) {
                    Found last = found.isEmpty() ? null : found.get(found.size() - 1);
                    if (!between && last != null && goesOn(last.parts.get(last.parts.size() - 1), table)) last.parts.add(table);
                    else found.add(new Found(new ArrayList<>(List.of(table)), said));
                    between = false;
                } else if (block instanceof Paragraph paragraph && !paragraph.plainText().isBlank()) {
                    String text = paragraph.plainText().replaceAll("[\\s\\u00A0\\uFFFC]+", " ").strip();
                    boolean heads = cascade.outlineLevel(paragraph) > 0;
                    String label = heads ? labels.label(paragraph) : null;
                    if (heads || text.length() <= LONGEST_CAPTION) said = label == null ? text : label + " " + text;
                    between = true;
                } else if (block instanceof Contents) {
                    between = true;
                }
            }
        }
        return found;
    }

    /** Whether a table goes on in another: the same columns, nothing between but the end of a page. */
    private static boolean goesOn(Table one, Table other) {
        if (one.columns().size() != other.columns().size()) return false;
        for (int i = 0; i < one.columns().size(); i++) if (Math.abs(one.columns().get(i) - other.columns().get(i)) > SAME_EDGE) return false;
        return true;
    }

    private Sheet sheet(Found found) {
        List<Column> columns = new ArrayList<>();
        List<Double> widths = found.parts.get(0).columns();
        for (int i = 0; i < widths.size(); i++) columns.add(new Column(i, i, Math.max(1, widths.get(i)), false));
        char decimals = decimals(found);
        List<Row> rows = new ArrayList<>();
        List<Range> merged = new ArrayList<>();
        int heads = 0;
        List<String> first = new ArrayList<>();
        for (Table table : found.parts) {
            int skipped = rows.isEmpty() ? 0 : repeated(table, first);
            int offset = rows.size() - skipped;
            for (int r = skipped; r < table.rows().size(); r++) {
                List<Cell> cells = new ArrayList<>();
                for (Table.Cell cell : table.rows().get(r).cells()) {
                    cells.add(cell(table, r, cell, decimals));
                    int down = Math.min(cell.rowSpan(), table.rows().size() - r);
                    if (down > 1 || cell.columnSpan() > 1)
                        merged.add(new Range(offset + r, cell.column(), offset + r + down - 1, cell.column() + cell.columnSpan() - 1));
                }
                rows.add(new Row(offset + r, Double.NaN, false, cells));
            }
            if (table == found.parts.get(0)) {
                while (heads < table.rows().size() && table.rows().get(heads).look().is(TableProperty.HEADER_ROW)) heads++;
                for (int r = 0; r < Math.max(1, heads) && r < table.rows().size(); r++) first.add(text(table.rows().get(r)));
            }
        }
        PageSetup setup = PageSetup.PLAIN.fitted(1, 0);
        if (heads > 0) setup = setup.repeating(new Range(0, 0, heads - 1, Range.MOST_COLUMNS - 1));
        return new Sheet(name(found.caption), false, DEFAULT_COLUMN, DEFAULT_ROW, columns, rows, merged, setup);
    }

    /** How many rows at the head of a table say again what the first part's head says. */
    private static int repeated(Table table, List<String> heads) {
        if (table.rows().size() <= heads.size()) return 0;
        for (int r = 0; r < heads.size(); r++) if (heads.get(r).isBlank() || !text(table.rows().get(r)).equals(heads.get(r))) return 0;
        return heads.size();
    }

    private static String text(Table.Row row) {
        StringBuilder text = new StringBuilder();
        for (Table.Cell cell : row.cells()) text.append(text(cell.blocks(), null)).append('\t');
        return text.toString();
    }

    /** @param labels what lists are labelled by, or null */
    private static String text(List<? extends Block> blocks, ListLabels labels) {
        StringBuilder text = new StringBuilder();
        for (Block block : blocks) {
            if (text.length() > 0) text.append('\n');
            if (block instanceof Paragraph paragraph) {
                String label = labels == null ? null : labels.label(paragraph);
                text.append(label == null || label.isBlank() ? "" : label + " ").append(paragraph.plainText().replace("\u00AD", "").replace(
                        Character.toString(Inline.OBJECT), ""));
            } else if (block instanceof Table inner) {
                List<String> lines = new ArrayList<>();
                for (Table.Row row : inner.rows()) lines.add(String.join(" ", row.cells().stream().map(cell -> text(cell.blocks(), labels)).toList()));
                text.append(String.join("\n", lines));
            }
        }
        return text.toString().strip();
    }

    /** What separates decimals in a table: what most of its numbers show, else what is usual in its language. */
    private char decimals(Found found) {
        Map<Character, Integer> shown = new HashMap<>();
        for (Table table : found.parts)
            for (Table.Row row : table.rows())
                for (Table.Cell cell : row.cells()) shown.merge(WrittenNumber.decimalsShown(text(cell.blocks(), null)), 1, Integer::sum);
        int points = shown.getOrDefault('.', 0);
        int commas = shown.getOrDefault(',', 0);
        return points == commas ? WrittenNumber.decimals(document.facts().language()) : points > commas ? '.' : ',';
    }

    private Cell cell(Table table, int row, Table.Cell cell, char decimals) {
        String text = text(cell.blocks(), labels);
        WrittenNumber number = WrittenNumber.of(text, decimals, monthFirst);
        CellValue value = text.isEmpty() ? CellValue.EMPTY : number == null ? new CellValue.Text(text) : CellValue.of(number.value());
        CellStyle style = style(table, row, cell, number, text.indexOf('\n') >= 0 || text.length() > 24);
        int index = styles.computeIfAbsent(style, key -> styles.size());
        return new Cell(cell.column(), value, null, index, link(cell.blocks()));
    }

    private CellStyle style(Table table, int row, Table.Cell cell, WrittenNumber number, boolean wraps) {
        Look look = cascade.cell(table, row, cell);
        Paragraph first = cell.blocks().stream().filter(Paragraph.class::isInstance).map(Paragraph.class::cast).findFirst().orElse(Paragraph.of(""));
        Look own = first.inlines().isEmpty() ? first.mark() : first.inlines().get(0).look();
        Look text = cascade.text(first, own, look);
        Look letters = Look.PLAIN;
        for (Property<?> property : LETTERS) letters = with(letters, text, property);
        ParagraphProperty.Alignment alignment = cascade.paragraph(first, look).get(ParagraphProperty.ALIGNMENT, ParagraphProperty.Alignment.START);
        CellStyle.Across across = switch (alignment) {
            case CENTRE -> CellStyle.Across.CENTRE;
            case END -> CellStyle.Across.RIGHT;
            case JUSTIFY -> CellStyle.Across.JUSTIFY;
            default -> number == null ? CellStyle.Across.BY_KIND : CellStyle.Across.LEFT;
        };
        TableProperty.VerticalAlignment down = look.get(TableProperty.VERTICAL_ALIGNMENT, TableProperty.VerticalAlignment.TOP);
        Borders lines = look.get(TableProperty.BORDERS);
        return new CellStyle(letters, number == null ? CellStyle.GENERAL : number.format(), across, switch (down) {
            case TOP -> CellStyle.Down.TOP;
            case CENTRE -> CellStyle.Down.MIDDLE;
            case BOTTOM -> CellStyle.Down.BOTTOM;
        }, wraps, false, 0, 0, look.get(TableProperty.SHADING), lines == null || !isSeen(lines) ? null : lines);
    }

    private static boolean isSeen(Borders lines) {
        for (Border one : new Border[] {lines.top(), lines.right(), lines.bottom(), lines.left()}) if (one != null && one.isVisible()) return true;
        return false;
    }

    private static <T> Look with(Look look, Look from, Property<T> property) {
        return from.get(property) == null ? look : look.with(property, from.get(property));
    }

    private static Link link(List<Block> blocks) {
        for (Block block : blocks)
            if (block instanceof Paragraph paragraph)
                for (Inline inline : paragraph.inlines())
                    if (inline.look().get(TextProperty.LINK) instanceof Link.Address address) return address;
        return null;
    }

    /** What is said before a table as the name of a sheet: short, without the signs that references are made of (18.2.19), and of no other. */
    private String name(String caption) {
        String plain = caption == null ? "" : caption.replaceAll("[\\[\\]:*?/\\\\!']+", " ").replaceAll("\\s+", " ").strip();
        if (plain.isEmpty()) plain = Message.of("sheet.table-name", names.size() + 1).toString();
        for (int i = 1;; i++) {
            String behind = i == 1 ? "" : " " + i;
            String name = plain.substring(0, Math.min(plain.length(), LONGEST_NAME - behind.length())).strip() + behind;
            if (names.add(name.toLowerCase())) return name;
        }
    }
}
