package app.decant.format.sheet;

import app.decant.sheet.SheetLock;
import app.decant.sheet.WorkbookLock;
import app.decant.sheet.WorkbookLock.Pass;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** The locks of a workbook as a whole, as .xlsx tells them (ISO/IEC 29500-1, 18.2.12 and 18.2.29). */
final class XlsxLocks {
    private XlsxLocks() { }

    static WorkbookLock of(XmlNode book) {
        XmlNode locks = book.child("x:workbookProtection");
        XmlNode sharing = book.child("x:fileSharing");
        if (locks == null && sharing == null) return WorkbookLock.NONE;
        Pass pass = locks == null ? Pass.FREE : pass(locks, "workbookAlgorithmName", "workbookHashValue", "workbookSaltValue", "workbookSpinCount",
                "workbookPassword");
        Pass writing = sharing == null ? Pass.FREE : pass(sharing, "algorithmName", "hashValue", "saltValue", "spinCount", "reservationPassword");
        return new WorkbookLock(locks != null && XlsxReader.isTrue(locks.get("lockStructure")), locks != null && XlsxReader.isTrue(locks.get("lockWindows")),
                pass, sharing != null && XlsxReader.isTrue(sharing.get("readOnlyRecommended")), sharing == null ? null : sharing.get("userName"), writing);
    }

    private static Pass pass(XmlNode node, String algorithm, String digest, String salt, String rounds, String shortly) {
        SheetLock.Key key = node.get(digest) == null ? null : new SheetLock.Key(node.get(algorithm, "SHA-512"), node.get(digest), node.get(salt, ""),
                Math.max(0, XlsxReader.whole(node.get(rounds), 0)));
        String told = node.get(shortly, "");
        return new Pass(key, told.matches("[0-9A-Fa-f]{1,4}") ? Integer.parseInt(told, 16) : 0);
    }

    /** Who may write it over: it comes before what the workbook is. */
    static void sharing(XmlWriter xml, WorkbookLock lock) {
        if (!lock.isReserved()) return;
        List<Object> told = new ArrayList<>(Arrays.asList("readOnlyRecommended", lock.advised() ? "1" : null, "userName", lock.writer()));
        pass(told, lock.writing(), "algorithmName", "hashValue", "saltValue", "spinCount", "reservationPassword");
        xml.leaf("fileSharing", told.toArray());
    }

    /** What of it stays as it is: it comes after what the workbook is. */
    static void structure(XmlWriter xml, WorkbookLock lock) {
        if (!lock.isLocked()) return;
        List<Object> told = new ArrayList<>();
        pass(told, lock.pass(), "workbookAlgorithmName", "workbookHashValue", "workbookSaltValue", "workbookSpinCount", "workbookPassword");
        told.addAll(Arrays.asList("lockStructure", lock.structure() ? "1" : null, "lockWindows", lock.windows() ? "1" : null));
        xml.leaf("workbookProtection", told.toArray());
    }

    private static void pass(List<Object> told, Pass pass, String algorithm, String digest, String salt, String rounds, String shortly) {
        if (pass.key() != null) told.addAll(List.of(algorithm, pass.key().algorithm(), digest, pass.key().digest(), salt, pass.key().salt(), rounds,
                pass.key().rounds()));
        else if (pass.shortKey() != 0) told.addAll(List.of(shortly, String.format(Locale.ROOT, "%04X", pass.shortKey())));
    }
}
