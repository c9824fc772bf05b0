package app.decant.format.sheet;

import app.decant.document.Finding;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetObject;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;

/** Counts what a reader of workbooks comes across and does not carry over, to tell each kind once. */
final class Lost {
    private final Map<Kind, Integer> counts = new TreeMap<>();

    /** What is not carried over yet. */
    enum Kind { CHARTS, PICTURES, SHAPES, COMMENTS, CONDITIONS, PIVOTS, MACROS, CHECKS }

    void count(Kind kind, int more) { if (more > 0) counts.merge(kind, more, Integer::sum); }

    /**
     * What lies over the cells of a workbook and has no place where only cells are written.
     *
     * @param rules whether there is none for rules that colour cells either
     */
    static List<Finding> objects(Workbook workbook, boolean rules) {
        Lost lost = new Lost();
        if (rules) for (Sheet sheet : workbook.sheets()) lost.count(Kind.CONDITIONS, sheet.conditions().size());
        for (Sheet sheet : workbook.sheets())
            for (SheetObject one : sheet.objects()) lost.count(one.kind() == SheetObject.Kind.CHART ? Kind.CHARTS : Kind.PICTURES, 1);
        return lost.findings();
    }

    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        counts.forEach((kind, count) -> {
            Message message = Message.of("sheet.lost." + kind.name().toLowerCase(Locale.ROOT), count);
            findings.add(kind == Kind.MACROS || kind == Kind.CHECKS ? Finding.note(message) : Finding.lost(message));
        });
        return findings;
    }
}
