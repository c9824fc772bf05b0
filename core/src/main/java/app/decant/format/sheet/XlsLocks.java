package app.decant.format.sheet;

import app.decant.sheet.WorkbookLock;
import app.decant.sheet.WorkbookLock.Pass;
import org.apache.poi.hssf.record.FileSharingRecord;
import org.apache.poi.hssf.record.PasswordRecord;
import org.apache.poi.hssf.record.ProtectRecord;
import org.apache.poi.hssf.record.Record;
import org.apache.poi.hssf.record.WindowProtectRecord;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;

/** The locks of a workbook as a whole, as .xls tells them among what holds for all sheets ([MS-XLS] 2.4.117, 2.4.191, 2.4.207 and 2.4.347). */
final class XlsLocks {
    private static final int SHORT = 0xFFFF;

    private XlsLocks() { }

    static WorkbookLock of(HSSFWorkbook book) {
        boolean structure = false;
        boolean windows = false;
        boolean advised = false;
        int key = 0;
        int writing = 0;
        String writer = null;
        for (Record record : book.getInternalWorkbook().getRecords()) {
            if (record instanceof ProtectRecord lock) structure = lock.getProtect();
            if (record instanceof WindowProtectRecord lock) windows = lock.getProtect();
            if (record instanceof PasswordRecord password) key = password.getPassword() & SHORT;
            if (!(record instanceof FileSharingRecord sharing)) continue;
            advised = sharing.getReadOnly() != 0;
            writing = sharing.getPassword() & SHORT;
            writer = sharing.getUsername() == null || sharing.getUsername().isEmpty() ? null : sharing.getUsername();
        }
        return new WorkbookLock(structure, windows, new Pass(null, key), advised, writer, new Pass(null, writing));
    }

    static void write(HSSFWorkbook book, WorkbookLock lock) {
        for (Record record : book.getInternalWorkbook().getRecords()) {
            if (record instanceof ProtectRecord one) one.setProtect(lock.structure());
            if (record instanceof WindowProtectRecord one) one.setProtect(lock.windows());
            if (record instanceof PasswordRecord one && lock.isLocked()) one.setPassword(lock.pass().shortKey());
        }
        if (!lock.isReserved()) return;
        FileSharingRecord sharing = book.getInternalWorkbook().getFileSharing();
        sharing.setReadOnly((short) (lock.advised() ? 1 : 0));
        sharing.setPassword((short) lock.writing().shortKey());
        sharing.setUsername(lock.writer() == null ? "" : lock.writer());
    }
}
