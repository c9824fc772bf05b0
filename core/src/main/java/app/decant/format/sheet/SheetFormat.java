package app.decant.format.sheet;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Provenance;
import app.decant.document.Progress;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.FormatFamily;
import app.decant.format.FormatName;
import app.decant.format.Taken;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetText;
import app.decant.sheet.Workbook;
import app.decant.sheet.WorkbookLock;
import app.decant.words.Message;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;

/** Kinds of workbooks. As documents they are taken in as tables; onto pages they go as the sheets they are. */
public enum SheetFormat implements Format {
    XLSX("xlsx") {
        @Override public boolean isOf(Content content) { 
            return !XLSB.isOf(content) && (content.hasContentType("spreadsheetml") && !XLSM.isOf(content) || content.hasFolder("xl"));
        }

        @Override public Set<String> endings() { return Set.of("xlsx", "xltx"); }
        @Override public ReadWorkbook workbook(Content content, String password, Progress progress) { return XlsxReader.read(content.bytes(), false,
                progress); }
        @Override public boolean writesSheets() { return true; }
        @Override WrittenWorkbook made(Workbook workbook, Instant when) { return new WrittenWorkbook(XlsxWriter.write(workbook, when), workbook,
                List.of()); }
    },
    XLSM("xlsm") {
        @Override public boolean isOf(Content content) {
            return content.hasContentType("ms-excel.sheet.macroEnabled") || content.hasContentType("ms-excel.template.macroEnabled");
        }

        @Override public ReadWorkbook workbook(Content content, String password, Progress progress) { return XlsxReader.read(content.bytes(), true,
                progress); }
    },
    XLSB("xlsb") {
        @Override public boolean isOf(Content content) { return content.hasContentType("ms-excel.sheet.binary"); }
        @Override public ReadWorkbook workbook(Content content, String password, Progress progress) { return XlsxReader.binary(content.bytes(), progress); }
    },
    XLS("xls") {
        @Override public boolean isOf(Content content) { return content.hasStream("Workbook") || content.hasStream("Book") || isBare(content); }

        /** The generations of 1987 to 1992 have no container around their records, each of which begins with its own number ([MS-XLS], 2.4.21). */
        private static boolean isBare(Content content) {
            return content.startsWith(0x09, 0x00, 0x04, 0x00) || content.startsWith(0x09, 0x02, 0x06, 0x00) || content.startsWith(0x09, 0x04, 0x06, 0x00);
        }

        @Override public Set<String> endings() { return Set.of("xls", "xlt"); }
        @Override public ReadWorkbook workbook(Content content, String password, Progress progress) { return XlsReader.read(content, password, progress); }
        @Override public boolean writesSheets() { return true; }
        @Override WrittenWorkbook made(Workbook workbook, Instant when) { return XlsWriter.write(workbook); }
    },
    ODS("ods") {
        @Override public boolean isOf(Content content) { return content.isOfMediaType("application/vnd.oasis.opendocument.spreadsheet"); }
        @Override public Set<String> endings() { return Set.of("ods", "ots"); }
        @Override public ReadWorkbook workbook(Content content, String password, Progress progress) {
            return OdsReader.read(content.bytes(), content.name(), password, progress);
        }
        @Override public boolean writesSheets() { return true; }
        @Override WrittenWorkbook made(Workbook workbook, Instant when) {
            Workbook counted = Days.since1900(workbook);
            return OdsWriter.write(counted, when);
        }
    },
    CSV("csv") {
        /** Values between separators look like any text: the name tells. */
        @Override public boolean isOf(Content content) {
            return !content.isEmpty() && Arrays.asList("csv", "tsv").contains(content.ending()) && content.isText();
        }

        @Override public Set<String> endings() { return Set.of("csv", "tsv"); }
        @Override public ReadWorkbook workbook(Content content, String password, Progress progress) { return CsvReader.read(content.bytes(), content.name(),
                SeparatedValues.AS_FOUND, progress); }
        @Override public boolean writesSheets() { return true; }
        @Override WrittenWorkbook made(Workbook workbook, Instant when) { return CsvWriter.write(workbook); }
    };

    private final FormatName named;

    SheetFormat(String ending) { named = new FormatName(ending, Group.SHEET); }

    @Override public FormatName named() { return named; }
    @Override public boolean reads() { return true; }
    @Override public boolean locks() { return this == XLSX || this == ODS; }

    /**
     * Reads a workbook.
     *
     * @param password for protected files, or null
     * @throws app.decant.document.DecantException with a sentence that says why it can't be
     */
    public abstract ReadWorkbook workbook(Content content, String password, Progress progress);

    /** Reads values between separators as it is wished. */
    public static ReadWorkbook separated(Content content, SeparatedValues wished, Progress progress) {
        return CsvReader.read(content.bytes(), content.name(), wished, progress);
    }

    /**
     * Writes a workbook, where the format {@linkplain #writesSheets does so}.
     *
     * @param when recorded in the file as its time of making
     */
    public final WrittenWorkbook write(Workbook workbook, Instant when) {
        List<Finding> findings = new ArrayList<>();
        WrittenWorkbook made = made(SheetNames.sound(workbook, this == XLSX || this == XLS, findings::add), when);
        findings.addAll(made.findings());
        findings.addAll(switch (this) {
            case XLSX -> Lost.inXlsx(workbook);
            case XLS -> Lost.inXls(workbook);
            case ODS -> Lost.inOds(workbook);
            default -> Lost.inCells(workbook);
        });
        WorkbookLock lock = workbook.lock();
        boolean keyless = this == ODS ? lock.pass().isNeeded() : this == XLS && lock.pass().key() != null && lock.pass().shortKey() == 0;
        if (lock.isLocked() && keyless) findings.add(Finding.changed(Message.of("sheet.workbook-password")));
        if (lock.isReserved() && this != XLSX && this != XLS) findings.add(Finding.lost(Message.of("sheet.workbook-not-reserved")));
        return new WrittenWorkbook(made.bytes(), made.kept(), findings);
    }

    /** The same, what lies over cells not told of. */
    WrittenWorkbook made(Workbook workbook, Instant when) { throw new UnsupportedOperationException(kind()); }

    @Override public Taken read(Content content, String password, Progress progress) {
        return taken(workbook(content, password, progress), Integer.MAX_VALUE);
    }

    /** A workbook that was read as a document of tables, each of at most so many rows. */
    public Taken taken(ReadWorkbook read, int mostRows) {
        List<Finding> findings = new ArrayList<>(List.of(Finding.note(Message.of("sheet.as-tables"))));
        findings.addAll(read.findings());
        for (Sheet sheet : read.workbook().sheets())
            if (sheet.matter().lock() != null) findings.add(Finding.note(Message.of("sheet.locked", sheet.name())));
        WorkbookLock lock = read.workbook().lock();
        if (lock.isLocked()) findings.add(Finding.note(Message.of("sheet.workbook-locked")));
        if (lock.isReserved()) findings.add(Finding.note(Message.of("sheet.workbook-reserved")));
        Document tables = mostRows == Integer.MAX_VALUE ? SheetText.of(read.workbook(), SheetChoice.AS_SET_UP) : SheetText.beginning(read.workbook(), mostRows);
        return new Taken(tables, this, findings, Provenance.NONE);
    }

    /** What is lost of a workbook where its sheets become tables of a text. */
    public static List<Finding> lostInTables(Workbook workbook) { return Lost.inCells(workbook); }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
