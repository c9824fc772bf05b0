package app.decant.publish;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.Content;
import app.decant.format.Formats;
import app.decant.format.OfficeLock;
import app.decant.format.sheet.ReadWorkbook;
import app.decant.format.sheet.SheetFormat;
import app.decant.format.sheet.TablesAsSheets;
import app.decant.format.sheet.WrittenWorkbook;
import app.decant.pdf.check.PdfCheck;
import app.decant.sheet.Cell;
import app.decant.sheet.CellValue;
import app.decant.sheet.NumberText;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A workbook written as a workbook, opened again by the reader of its format: every value must be there. */
final class SheetFile {
    /** What numbers lose when they are written in sixteen digits. */
    private static final double SAME = 1e-15;
    private static final double SECOND = 1.0 / 86_400;

    private SheetFile() { }

    /**
     * Writes what an order asks for.
     *
     * @throws DecantException where it is no workbook, or a value would be lost; nothing was replaced then
     */
    static Path write(Order order, SheetFormat format, Path file, Instant when, List<PdfCheck.Proof> proofs, List<Finding> findings) {
        Workbook workbook = workbook(order, findings);
        String password = order.recipe().locking().isOn() ? order.passwords().toOpen() : "";
        boolean locks = !password.isEmpty();
        if (order.recipe().locking().isOn() && (!locks || !format.locks()))
            throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("publish.a-cannot-be-locked-by-a-password", order.recipe().target()
                    .ending()));
        Workbook said = new Workbook(order.recipe().sheets().chosen(workbook), workbook.styles(), workbook.names(),
                order.recipe().facts().of(workbook.facts(), null), workbook.since1904(), workbook.lock());
        WrittenWorkbook written = format.write(said, when);
        findings.addAll(written.findings());
        byte[] bytes = locks ? OfficeLock.locked(written.bytes(), password) : written.bytes();
        return SafeFile.write(file, order.recipe().present(), order.guard(), out -> out.write(bytes), made -> {
            byte[] held = Files.readAllBytes(made);
            Workbook again = opened(held, format, file.getFileName().toString(), locks ? password : null);
            if (locks) proofs.add(new PdfCheck.Proof(Message.of("publish.does-not-open"), !Formats.opens(held, "", null)));
            String lost = lost(written.kept(), again);
            boolean same = lost == null;
            proofs.add(new PdfCheck.Proof(same ? Message.of("publish.values-kept") : Message.of("publish.value-lost", lost), same));
            if (!same) throw new DecantException(DecantException.Kind.NOT_PROVEN,
                    Message.of("publish.was-not-kept-since-the-check-after", file.getFileName(), Message.of("publish.value-lost", lost)));
        });
    }

    /** A workbook that was written, as its own reader opens it. @param password of a locked one, or null */
    private static Workbook opened(byte[] held, SheetFormat format, String name, String password) {
        boolean whole = password != null && format != SheetFormat.ODS;
        return format.workbook(new Content(whole ? OfficeLock.unlocked(held, name, password) : held, name), password, Progress.SILENT).workbook();
    }

    /** The workbook that an order is of; of a text document, its tables. */
    private static Workbook workbook(Order order, List<Finding> findings) {
        Optional<Workbook> workbook = order.pages().origin(Workbook.class);
        if (workbook.isPresent()) return workbook.get();
        Document document = order.pages().origin(Document.class).orElseThrow(() -> new DecantException(DecantException.Kind.WRONG_CALL,
                Message.of("publish.no-workbook", order.recipe().target().ending())));
        ReadWorkbook tables = TablesAsSheets.of(Settling.of(document, order.recipe(), findings::add));
        findings.addAll(tables.findings());
        return tables.workbook();
    }

    /** What a format will not hold of a workbook. */
    static List<Finding> losses(Order order, SheetFormat format) {
        List<Finding> findings = new ArrayList<>();
        findings.addAll(format.write(workbook(order, findings), Instant.EPOCH).findings());
        return findings;
    }

    /** The first cell whose value is not the same in another workbook; null where all are. */
    static String lost(Workbook one, Workbook other) {
        if (one.sheets().size() != other.sheets().size()) return "1";
        for (int s = 0; s < one.sheets().size(); s++) {
            Sheet sheet = one.sheets().get(s);
            Sheet second = other.sheets().get(s);
            for (Row row : sheet.rows()) {
                Row there = second.row(row.index());
                for (Cell cell : row.cells()) {
                    if (cell.isEmpty()) continue;
                    Cell found = there == null ? null : there.cell(cell.column());
                    boolean time = NumberText.isDate(one.style(cell).format());
                    if (found == null || !isSame(cell.value(), found.value(), time)) return sheet.name() + "!" + Range.name(row.index(), cell.column());
                }
            }
        }
        return null;
    }

    /** @param time whether it shows as a date or a time: those are told to the second */
    private static boolean isSame(CellValue one, CellValue other, boolean time) {
        if (one instanceof CellValue.Number a && other instanceof CellValue.Number b)
            return Math.abs(a.value() - b.value()) <= Math.abs(a.value()) * SAME || time && Math.abs(a.value() - b.value()) < SECOND;
        if (one instanceof CellValue.Text a && other instanceof CellValue.Text b)
            return a.text().equals(b.text()) || plain(a.text()).equals(plain(b.text()));
        // What was written as it shows may be read as the number it is.
        if (one instanceof CellValue.Text a && other instanceof CellValue.Number b) return a.text().strip().matches("[+-]?[\\d.,]+([eE][+-]?\\d+)?")
                && Double.parseDouble(a.text().strip().replace(",", "")) == b.value();
        // What a formula failed with is shown as words.
        String failure = one instanceof CellValue.Failure a ? a.code() : null;
        if (failure != null) return other instanceof CellValue.Failure b && b.code().equals(failure) || other instanceof CellValue.Text c && c.text()
                .equals(failure);
        return one.equals(other);
    }

    private static String plain(String text) { return text.replace("\r", "").replaceAll("[\\p{Cntrl}&&[^\\n\\t]]", ""); }
}
