package app.decant.format.sheet;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Set;
import org.apache.poi.hssf.record.BOFRecord;
import org.apache.poi.hssf.record.BoundSheetRecord;
import org.apache.poi.hssf.record.ContinueRecord;
import org.apache.poi.hssf.record.EOFRecord;
import org.apache.poi.hssf.record.FilePassRecord;
import org.apache.poi.hssf.record.RecordFactory;
import org.apache.poi.hssf.record.RecordInputStream;
import org.apache.poi.hssf.record.SSTRecord;
import org.apache.poi.hssf.record.UserSViewBegin;
import org.apache.poi.hssf.record.UserSViewEnd;
import org.apache.poi.poifs.filesystem.DirectoryNode;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.apache.poi.util.IOUtils;
import org.apache.poi.util.LittleEndian;
import org.slf4j.LoggerFactory;

/**
 * The records of a binary workbook ([MS-XLS], 2.1.4) as the common library takes them, which refuses a whole workbook for one of them: those longer than
 * their kind lose what is too much, as other readers pass over it, what may be said once is taken as it is said first, and those that can't be taken apart
 * are left out and counted. Places that records tell of each other are not kept, since the library reads them in their order.
 */
final class XlsRecords {
    private static final String STREAM = "Workbook";
    /** The stream's name in the generation before, which some writers kept. */
    private static final String OLDER_STREAM = "Book";
    private static final int HEADER = 4;
    private static final int VERSION_97 = 0x0600;
    private static final Set<Integer> NEEDED = Set.of((int) BOFRecord.sid, (int) EOFRecord.sid, (int) BoundSheetRecord.sid, (int) SSTRecord.sid,
            (int) FilePassRecord.sid);

    /** Of the page of a sheet, each said once: centred across and down, margins, header, footer, setup, breaks. */
    private static final Set<Integer> ONCE = Set.of(0x83, 0x84, 0x26, 0x27, 0x28, 0x29, 0x14, 0x15, 0xA1, 0x1A, 0x1B);
    private static final Set<Integer> OPENING = Set.of((int) BOFRecord.sid, (int) UserSViewBegin.sid);
    private static final Set<Integer> CLOSING = Set.of((int) EOFRecord.sid, (int) UserSViewEnd.sid);

    private final byte[] stream;
    /** What has been said once, in the part of the workbook at hand and in those around it. */
    private final Deque<Set<Integer>> said = new ArrayDeque<>();
    private final ByteArrayOutputStream mended = new ByteArrayOutputStream();
    private int leftOut;
    private boolean changed;

    private XlsRecords(byte[] stream) { this.stream = stream; }

    /** Whether a container's workbook is of 1997 or later, whatever its stream is called, and not locked. */
    private static boolean isReadable(byte[] stream) {
        if (stream.length < 8 || LittleEndian.getUShort(stream, 0) != BOFRecord.sid || LittleEndian.getUShort(stream, HEADER) != VERSION_97) return false;
        int second = HEADER + LittleEndian.getUShort(stream, 2);
        return second + HEADER > stream.length || LittleEndian.getUShort(stream, second) != FilePassRecord.sid;
    }

    /**
     * Mends a container, in place.
     *
     * @return how many records were left out, or -1 where nothing can be done for it
     */
    static int mend(POIFSFileSystem container) throws IOException {
        DirectoryNode root = container.getRoot();
        String name = root.hasEntry(STREAM) ? STREAM : OLDER_STREAM;
        if (!root.hasEntry(name)) return -1;
        byte[] stream = IOUtils.toByteArray(root.createDocumentInputStream(name));
        if (!isReadable(stream)) return -1;
        XlsRecords records = new XlsRecords(stream);
        records.mend();
        if (!records.changed && name.equals(STREAM)) return -1;
        root.getEntry(name).delete();
        root.createDocument(STREAM, new ByteArrayInputStream(records.mended.toByteArray()));
        return records.leftOut;
    }

    private void mend() {
        int at = 0;
        while (at + HEADER <= stream.length) {
            int next = next(at);
            int end = next;
            // What goes on in the records behind belongs to it.
            while (end + HEADER <= stream.length && LittleEndian.getUShort(stream, end) == ContinueRecord.sid) end = next(end);
            one(at, next, end);
            at = end;
        }
    }

    private int next(int at) { return Math.min(stream.length, at + HEADER + LittleEndian.getUShort(stream, at + 2)); }

    private void one(int at, int next, int end) {
        int kind = LittleEndian.getUShort(stream, at);
        if (OPENING.contains(kind)) said.push(new HashSet<>());
        if (CLOSING.contains(kind)) said.poll();
        if (ONCE.contains(kind) && !said.isEmpty() && !said.peek().add(kind)) {
            changed = true;
            return;
        }
        int over = over(kind, at, next, end);
        if (over == 0) {
            mended.write(stream, at, end - at);
            return;
        }
        changed = true;
        if (over < 0) {
            leftOut++;
            return;
        }
        byte[] head = new byte[HEADER];
        LittleEndian.putUShort(head, 0, kind);
        LittleEndian.putUShort(head, 2, next - at - HEADER - over);
        mended.writeBytes(head);
        mended.write(stream, at + HEADER, next - at - HEADER - over);
        mended.write(stream, next, end - next);
    }

    /** By how many bytes a record is longer than its kind; -1 where it can't be taken apart and can be done without. */
    private int over(int kind, int at, int next, int end) {
        try {
            RecordInputStream in = new RecordInputStream(new ByteArrayInputStream(stream, at, end - at));
            in.nextRecord();
            RecordFactory.createSingleRecord(in);
            // Where a record goes on in others, what is over is theirs.
            return next == end ? in.remaining() : 0;
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsRecords.class).debug("A record of kind {} can't be read", kind, e);
            return NEEDED.contains(kind) ? 0 : -1;
        }
    }
}
