package app.decant.format.sheet;

import app.decant.document.Finding;
import app.decant.sheet.Cell;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;

/** Names of sheets as a kind of workbook can have them: each once whatever its case, and in most kinds short and without some signs. */
final class SheetNames {
    /** ISO/IEC 29500-1, 18.2.19, and common practice of all programs that read such files. */
    private static final int LONGEST = 31;
    private static final String FORBIDDEN = "[\\[\\]:*?/\\\\\\p{Cntrl}]";

    private SheetNames() { }

    /** The workbook with names that can be had; formulas and defined names follow. @param strict whether they have to be short and without signs */
    static Workbook sound(Workbook workbook, boolean strict, Consumer<Finding> told) {
        Map<String, String> changed = new LinkedHashMap<>();
        Set<String> taken = new HashSet<>();
        List<Sheet> sheets = new ArrayList<>();
        for (Sheet sheet : workbook.sheets()) {
            String name = sound(sheet.name(), strict, taken);
            if (!name.equals(sheet.name())) {
                changed.putIfAbsent(sheet.name(), name);
                told.accept(Finding.changed(Message.of("sheet.renamed", sheet.name(), name)));
            }
            sheets.add(name.equals(sheet.name()) ? sheet : sheet.named(name));
        }
        // Of two that were called alike, what was asked of the name goes on asking the first.
        for (Sheet sheet : sheets) changed.remove(sheet.name());
        if (sheets.equals(workbook.sheets())) return workbook;
        Map<String, String> names = new TreeMap<>();
        workbook.names().forEach((name, place) -> {
            int mark = name.lastIndexOf('!');
            String owner = mark < 0 ? null : changed.get(name.substring(0, mark));
            names.put(owner == null ? name : owner + name.substring(mark), followed(place, changed));
        });
        List<Sheet> followed = sheets.stream().map(sheet -> sheet.withRows(sheet.rows().stream().map(row -> followed(row, changed)).toList())).toList();
        return new Workbook(followed, workbook.styles(), names, workbook.facts(), workbook.since1904(), workbook.lock());
    }

    private static String sound(String name, boolean strict, Set<String> taken) {
        String plain = strict ? name.replaceAll(FORBIDDEN, "_").replaceAll("^'|'$", "_") : name.replaceAll("\\p{Cntrl}", "_");
        if (plain.isBlank()) plain = "1";
        if (strict && plain.length() > LONGEST) plain = plain.substring(0, LONGEST);
        String free = plain;
        for (int n = 2; !taken.add(free.toLowerCase(Locale.ROOT)); n++) {
            String number = " (" + n + ")";
            free = (strict && plain.length() + number.length() > LONGEST ? plain.substring(0, LONGEST - number.length()) : plain) + number;
        }
        return free;
    }

    private static Row followed(Row row, Map<String, String> changed) {
        if (changed.isEmpty() || row.cells().stream().allMatch(cell -> cell.formula() == null)) return row;
        return row.with(row.cells().stream().map(cell -> cell.formula() == null ? cell : new Cell(cell.column(), cell.value(), followed(cell.formula(),
                changed),
                cell.array(), cell.style(), cell.link())).toList());
    }

    private static String followed(String formula, Map<String, String> changed) {
        String made = formula;
        for (Map.Entry<String, String> one : changed.entrySet()) {
            String now = "'" + one.getValue().replace("'", "''") + "'!";
            made = made.replace("'" + one.getKey().replace("'", "''") + "'!", now);
            if (one.getKey().matches("[\\p{L}_][\\p{L}\\p{N}_.]*")) made = made.replaceAll("(?<![\\p{L}\\p{N}_.'])" + one.getKey() + "!",
                    now.replace("\\", "\\\\").replace("$", "\\$"));
        }
        return made;
    }
}
