package app.decant.format.sheet;

import app.decant.document.Finding;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetObject;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;

/** Counts what a reader of workbooks comes across and does not carry over, to tell each kind once. */
final class Lost {
    private final Map<Kind, Integer> counts = new TreeMap<>();

    /** What is not carried over yet. */
    enum Kind { CHARTS, PICTURES, SHAPES, COMMENTS, CONDITIONS, PIVOTS, MACROS, FORMULAS, CHECKS, FILTERS, KEYS, TABLES, RECORDS, CONTROLS, OBJECTS, ENTITIES }

    void count(Kind kind, int more) { if (more > 0) counts.merge(kind, more, Integer::sum); }

    /** What of a workbook has no place where only cells are written: in tables of a text, and in values between separators. */
    static List<Finding> inCells(Workbook workbook) {
        Lost lost = new Lost();
        for (Sheet sheet : workbook.sheets()) {
            lost.count(Kind.CONDITIONS, sheet.conditions().size());
            lost.count(Kind.COMMENTS, sheet.matter().notes().size());
            for (SheetObject one : sheet.objects()) lost.count(kind(one), 1);
        }
        return lost.findings();
    }

    private static Kind kind(SheetObject one) {
        return switch (one.kind()) {
            case CHART -> Kind.CHARTS;
            case SHAPE -> Kind.SHAPES;
            case PICTURE -> Kind.PICTURES;
        };
    }

    /** What a workbook of the newest generation does not hold as it was: charts of which no markup is known. */
    static List<Finding> inXlsx(Workbook workbook) {
        List<Finding> findings = new ArrayList<>(charts(workbook, one -> one.markup() == null));
        for (Sheet sheet : workbook.sheets()) {
            SheetLock lock = sheet.matter().lock();
            boolean another = lock != null && lock.key() != null && lock.key().isOpenDocument();
            if (another) findings.add(Finding.changed(Message.of("sheet.lock-without-password", sheet.name())));
        }
        return findings;
    }

    /** What an older workbook does not hold, whose own writer tells of notes, checks, filters and locks. */
    static List<Finding> inXls(Workbook workbook) {
        Lost lost = new Lost();
        for (Sheet sheet : workbook.sheets()) {
            lost.count(Kind.CONDITIONS, sheet.conditions().size());
            lost.count(Kind.TABLES, sheet.matter().tables().size());
        }
        List<Finding> findings = new ArrayList<>(lost.findings());
        findings.addAll(charts(workbook, one -> true));
        return findings;
    }

    /** What an OpenDocument workbook does not hold. */
    static List<Finding> inOds(Workbook workbook) {
        List<Finding> findings = new ArrayList<>(inXls(workbook));
        for (Sheet sheet : workbook.sheets()) {
            SheetMatter matter = sheet.matter();
            if (matter.view().isFrozen()) findings.add(Finding.changed(Message.of("sheet.view-left-out", sheet.name())));
            if (matter.filter() != null && !matter.filter().values().isEmpty())
                findings.add(Finding.lost(Message.of("sheet.lost.filters", matter.filter().values().size())));
            if (matter.lock() == null) continue;
            boolean own = matter.lock().key() != null && matter.lock().key().isOpenDocument();
            if (matter.lock().hasPassword() && !own) findings.add(Finding.changed(Message.of("sheet.lock-without-password", sheet.name())));
            if (!matter.lock().allowed().equals(SheetLock.USUAL)) findings.add(Finding.changed(Message.of("sheet.lock-without-allowances", sheet.name())));
        }
        return findings;
    }

    private static List<Finding> charts(Workbook workbook, Predicate<SheetObject> wanted) {
        long count = workbook.sheets().stream().flatMap(sheet -> sheet.objects().stream()).filter(one -> one.kind() == SheetObject.Kind.CHART)
                .filter(wanted).count();
        return count == 0 ? List.of() : List.of(Finding.changed(Message.of("sheet.charts-as-pictures", count)));
    }

    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        counts.forEach((kind, count) -> {
            Message message = Message.of("sheet.lost." + kind.name().toLowerCase(Locale.ROOT), count);
            findings.add(kind == Kind.MACROS || kind == Kind.CHECKS || kind == Kind.KEYS ? Finding.note(message) : Finding.lost(message));
        });
        return findings;
    }
}
