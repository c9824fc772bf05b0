package app.decant.bench;

import app.decant.document.Facts;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.Content;
import app.decant.format.sheet.SheetFormat;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.Workbook;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A workbook of 100,000 rows and 20 columns, numbers and words: read, and put onto its 6,000 pages and more, in a heap of 512 MB. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 1)
@Measurement(iterations = 3)
@Fork(value = 1, jvmArgs = {"-Xmx512m", "-XX:+UseSerialGC", "-Djava.awt.headless=true"})
public class LargeSheets {
    private static final int ROWS = 100_000;
    private static final int COLUMNS = 20;

    private byte[] file;
    /** Read when it is first asked for, so that what only reads holds it once. */
    private Workbook workbook;

    @Setup public void make() { file = SheetFormat.XLSX.write(made(), Instant.EPOCH).bytes(); }

    private static Workbook made() {
        Random random = new Random(100_000);
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < ROWS; r++) {
            List<Cell> cells = new ArrayList<>();
            for (int c = 0; c < COLUMNS; c++) {
                CellValue value = c % 5 == 1 ? new CellValue.Text("Quay " + random.nextInt(1000)) : c % 5 == 2 ? new CellValue.Number(random.nextDouble()
                        * 1000)
                        : new CellValue.Number(random.nextInt(10_000));
                cells.add(new Cell(c, value, 0));
            }
            rows.add(new Row(r, Double.NaN, false, cells));
        }
        Sheet sheet = new Sheet("Crossings", false, 48, 15, List.of(), rows, List.of(), PageSetup.PLAIN);
        return new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
    }

    @Benchmark public Workbook read() { return SheetFormat.XLSX.workbook(new Content(file, "crossings.xlsx"), null, Progress.SILENT).workbook(); }

    @Benchmark public int ontoPages() {
        if (workbook == null) workbook = read();
        return SheetLayout.of(workbook, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT).count();
    }
}
