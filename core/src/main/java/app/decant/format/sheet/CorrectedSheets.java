package app.decant.format.sheet;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.Recalculation;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetText;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.text.DecimalFormatSymbols;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * A workbook whose cells were corrected in the tables that it was taken in as: what was typed is what the cell holds now, a formula where it begins with an
 * equals sign, and what depends on it is worked out anew.
 *
 * @param workbook with the corrections
 * @param cells    how many cells hold or look otherwise
 * @param findings what formulas came to
 */
public record CorrectedSheets(Workbook workbook, int cells, List<Finding> findings) {
    private static final String TEXT = "@";

    public CorrectedSheets { findings = List.copyOf(findings); }

    /** A cell of a sheet that is to hold or look otherwise. */
    private record Correction(SheetText.CellPlace place, Table.Cell was, Table.Cell is) { }

    /**
     * Whether a document is still the tables of a workbook, but for what stands in cells: then it can be published as sheets.
     *
     * @param came as the workbook was taken in
     */
    public static boolean fits(Document came, Document now) { return came == now || corrections(came, now, Map.of()).isPresent(); }

    /**
     * The workbook as it reads now.
     *
     * @return nothing where more was changed than cells: rows or columns came or went, paragraphs, widths
     */
    public static Optional<CorrectedSheets> of(Workbook workbook, Document came, Document now) {
        Optional<List<Correction>> corrections = corrections(came, now, Map.of());
        // Where cells stand in the tables is looked for only where something in these is another.
        if (corrections.isPresent() && !corrections.get().isEmpty()) corrections = corrections(came, now, SheetText.places(workbook));
        SheetAnswers answers = SheetAnswers.of(now.answers());
        return corrections.map(list -> list.isEmpty() && answers.isEmpty() ? new CorrectedSheets(workbook, 0, List.of()) : corrected(workbook, list, answers));
    }

    private static Optional<List<Correction>> corrections(Document came, Document now, Map<BlockPath, SheetText.CellPlace> places) {
        List<Correction> found = new ArrayList<>();
        if (came.sections().size() != now.sections().size() || !came.styles().equals(now.styles())) return Optional.empty();
        for (int s = 0; s < came.sections().size(); s++) {
            Section was = came.sections().get(s);
            Section is = now.sections().get(s);
            if (was == is) continue;
            if (!was.withBlocks(is.blocks()).equals(is) || was.blocks().size() != is.blocks().size()) return Optional.empty();
            for (int b = 0; b < was.blocks().size(); b++) {
                Block old = was.blocks().get(b);
                Block block = is.blocks().get(b);
                if (old == block || old.equals(block)) continue;
                boolean same = old instanceof Table one && block instanceof Table other && cells(one, other, BlockPath.of(s, b), places, found);
                if (!same) return Optional.empty();
            }
        }
        return Optional.of(found);
    }

    /** Whether two tables differ in what stands in their cells only. */
    private static boolean cells(Table one, Table other, BlockPath path, Map<BlockPath, SheetText.CellPlace> places, List<Correction> found) {
        if (!one.look().equals(other.look()) || !one.columns().equals(other.columns()) || one.rows().size() != other.rows().size()) return false;
        for (int r = 0; r < one.rows().size(); r++) {
            Table.Row was = one.rows().get(r);
            Table.Row is = other.rows().get(r);
            if (was == is) continue;
            if (!was.look().equals(is.look()) || was.cells().size() != is.cells().size()) return false;
            for (int c = 0; c < was.cells().size(); c++) {
                Table.Cell old = was.cells().get(c);
                Table.Cell cell = is.cells().get(c);
                if (old.equals(cell)) continue;
                boolean there = old.column() == cell.column() && old.columnSpan() == cell.columnSpan() && old.rowSpan() == cell.rowSpan();
                boolean words = cell.blocks().stream().allMatch(Paragraph.class::isInstance) && text(cell).indexOf(Inline.OBJECT) < 0;
                if (!there || !words || !old.look().equals(cell.look())) return false;
                found.add(new Correction(places.get(path.then(r, c)), old, cell));
            }
        }
        return true;
    }

    private static String text(Table.Cell cell) {
        return String.join("\n", cell.blocks().stream().map(block -> ((Paragraph) block).plainText()).toList());
    }

    private static CorrectedSheets corrected(Workbook workbook, List<Correction> corrections, SheetAnswers answers) {
        List<CellStyle> all = new ArrayList<>(workbook.styles());
        Map<Integer, Map<Integer, TreeMap<Integer, Cell>>> changed = new HashMap<>();
        for (Correction one : corrections) {
            Sheet sheet = workbook.sheets().get(one.place.sheet());
            Cell old = sheet.cell(one.place.row(), one.place.column());
            changed.computeIfAbsent(one.place.sheet(), key -> new HashMap<>()).computeIfAbsent(one.place.row(), key -> new TreeMap<>())
                    .put(one.place.column(), cell(workbook, one, old, all));
        }
        for (int s = 0; s < workbook.sheets().size(); s++) {
            Sheet sheet = workbook.sheets().get(s);
            for (Map.Entry<Long, String> one : answers.cells().getOrDefault(sheet.name(), Map.of()).entrySet()) {
                int row = SheetAnswers.rowOf(one.getKey());
                int column = SheetAnswers.columnOf(one.getKey());
                changed.computeIfAbsent(s, key -> new HashMap<>()).computeIfAbsent(row, key -> new TreeMap<>())
                        .put(column, filled(workbook, sheet, sheet.cell(row, column), column, one.getValue(), all));
            }
            for (Map.Entry<Long, Map<SheetAnswers.Dress, String>> one : answers.looks().getOrDefault(sheet.name(), Map.of()).entrySet()) {
                int row = SheetAnswers.rowOf(one.getKey());
                int column = SheetAnswers.columnOf(one.getKey());
                TreeMap<Integer, Cell> there = changed.computeIfAbsent(s, key -> new HashMap<>()).computeIfAbsent(row, key -> new TreeMap<>());
                Cell cell = there.containsKey(column) ? there.get(column) : sheet.cell(row, column);
                if (cell == null) cell = new Cell(column, CellValue.EMPTY, ofColumn(sheet, column));
                CellStyle style = all.get(cell.style());
                int dressed = index(cell, style, SheetAnswers.dressed(style, one.getValue()), all);
                there.put(column, new Cell(column, cell.value(), cell.formula(), cell.array(), dressed, cell.link()));
            }
        }
        int count = changed.values().stream().flatMap(rows -> rows.values().stream()).mapToInt(Map::size).sum();
        List<Sheet> sheets = new ArrayList<>();
        for (int s = 0; s < workbook.sheets().size(); s++) {
            Sheet sheet = workbook.sheets().get(s);
            sheets.add(changed.containsKey(s) ? with(sheet, changed.get(s)) : sheet);
        }
        Workbook now = answers.set(new Workbook(sheets, all, workbook.names(), workbook.facts(), workbook.since1904(),
                workbook.lock()));
        if (count == 0) return new CorrectedSheets(now, 0, List.of());
        Recalculation reckoned = Recalculation.of(workbook, now);
        List<Finding> findings = new ArrayList<>();
        findings.add(Finding.note(Message.of("sheet.corrected", count, reckoned.changed())));
        if (reckoned.unknown() > 0) findings.add(Finding.changed(Message.of("sheet.not-reckoned", reckoned.unknown())));
        return new CorrectedSheets(reckoned.workbook(), count, findings);
    }

    private static Sheet with(Sheet sheet, Map<Integer, TreeMap<Integer, Cell>> changed) {
        TreeMap<Integer, Row> rows = new TreeMap<>();
        for (Row row : sheet.rows()) rows.put(row.index(), row);
        changed.forEach((index, cells) -> {
            Row row = rows.get(index);
            TreeMap<Integer, Cell> all = new TreeMap<>();
            if (row != null) for (Cell cell : row.cells()) all.put(cell.column(), cell);
            all.putAll(cells);
            rows.put(index, row == null ? new Row(index, Double.NaN, false, List.copyOf(all.values())) : row.with(List.copyOf(all.values())));
        });
        return sheet.withRows(List.copyOf(rows.values()));
    }

    /** @param styles of the workbook, to which a new look is added */
    private static Cell cell(Workbook workbook, Correction one, Cell old, List<CellStyle> styles) {
        CellStyle style = old == null ? workbook.styles().get(0) : workbook.style(old);
        String text = text(one.is);
        boolean same = text.equals(text(one.was));
        CellStyle dressed = dressed(one, style);
        return same ? new Cell(one.place.column(), old == null ? CellValue.EMPTY : old.value(), old == null ? null : old.formula(),
                index(old, style, dressed, styles), old == null ? null : old.link()) : written(old, one.place.column(), style, dressed, text, styles);
    }

    /** The look of cells of a column that say nothing themselves. */
    private static int ofColumn(Sheet sheet, int column) {
        return sheet.columns().stream().filter(one -> one.from() <= column && column <= one.to()).mapToInt(Column::style).findFirst().orElse(0);
    }

    /** A cell into which something was written on its sheet. */
    private static Cell filled(Workbook workbook, Sheet sheet, Cell old, int column, String text, List<CellStyle> styles) {
        CellStyle style = old == null ? workbook.styles().get(ofColumn(sheet, column)) : workbook.style(old);
        return written(old, column, style, style, text, styles);
    }

    /** What was typed is what a cell holds: a formula, a number as this place writes it, a truth where one was, else text. */
    private static Cell written(Cell old, int column, CellStyle style, CellStyle wished, String text, List<CellStyle> styles) {
        CellValue before = old == null ? CellValue.EMPTY : old.value();
        CellStyle dressed = wished;
        boolean asked = text.startsWith("=") && text.length() > 1 && !style.format().equals(TEXT);
        WrittenNumber number = asked || style.format().equals(TEXT) ? null : WrittenNumber.of(text, decimals(), monthFirst());
        boolean truth = before instanceof CellValue.Truth && text.strip().matches("(?i)true|false");
        CellValue value = asked || text.isBlank() ? CellValue.EMPTY : number != null ? CellValue.of(number.value())
                : truth ? new CellValue.Truth(text.strip().equalsIgnoreCase("true")) : new CellValue.Text(text);
        // A cell that showed numbers in no way of its own shows them as they were typed.
        if (number != null && style.format().equalsIgnoreCase(CellStyle.GENERAL)) dressed = dressed.showing(number.format());
        return new Cell(column, value, asked ? text.substring(1).strip() : null, index(old, style, dressed, styles), old == null ? null : old.link());
    }

    /** The place of a look among all, to which a new one is added. */
    private static int index(Cell old, CellStyle style, CellStyle dressed, List<CellStyle> styles) {
        int index = dressed.equals(style) && old != null ? old.style() : styles.indexOf(dressed);
        if (index >= 0) return index;
        styles.add(dressed);
        return styles.size() - 1;
    }

    /** The look of a cell, with what was changed of its letters and of how they stand. */
    private static CellStyle dressed(Correction one, CellStyle style) {
        Paragraph was = (Paragraph) one.was.blocks().get(0);
        Paragraph is = (Paragraph) one.is.blocks().get(0);
        Look before = was.inlines().isEmpty() ? was.mark() : was.inlines().get(0).look();
        Look now = is.inlines().isEmpty() ? is.mark() : is.inlines().get(0).look();
        CellStyle made = before.equals(now) || is.inlines().isEmpty() ? style : style.lettered(now.without(TextProperty.LINK));
        if (was.look().equals(is.look())) return made;
        return made.standing(switch (is.look().get(ParagraphProperty.ALIGNMENT, ParagraphProperty.Alignment.START)) {
            case START -> CellStyle.Across.LEFT;
            case CENTRE -> CellStyle.Across.CENTRE;
            case END -> CellStyle.Across.RIGHT;
            case JUSTIFY -> CellStyle.Across.JUSTIFY;
        });
    }

    private static char decimals() { return DecimalFormatSymbols.getInstance(Locale.getDefault(Locale.Category.FORMAT)).getDecimalSeparator(); }

    private static boolean monthFirst() { return Locale.getDefault(Locale.Category.FORMAT).getCountry().equals("US"); }
}
