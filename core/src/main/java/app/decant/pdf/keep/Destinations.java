package app.decant.pdf.keep;

import java.util.function.Predicate;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;

/** Places in a file that links and bookmarks lead to, by name or directly (ISO 32000-2, 12.3.2). */
final class Destinations {
    private static final int DEEPEST = 64;

    private Destinations() { }

    /** The place itself: what a name stands for; null where there is none. */
    static COSBase resolve(COSDictionary catalog, COSBase told) {
        if (told instanceof COSName name) {
            COSDictionary old = catalog.getCOSDictionary(COSName.DESTS);
            return old == null ? null : place(old.getDictionaryObject(name));
        }
        if (told instanceof COSString name) {
            COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
            return names == null ? null : place(find(names.getCOSDictionary(COSName.DESTS), name.getString(), 0));
        }
        return place(told);
    }

    /** A place is written as itself, or as the {@code D} of a dictionary. */
    static COSBase place(COSBase told) { return told instanceof COSDictionary dictionary ? dictionary.getDictionaryObject(COSName.D) : told; }

    private static COSBase find(COSDictionary node, String name, int depth) {
        if (node == null || depth > DEEPEST) return null;
        COSArray names = node.getCOSArray(COSName.NAMES);
        for (int i = 0; names != null && i + 1 < names.size(); i += 2)
            if (names.getObject(i) instanceof COSString key && key.getString().equals(name)) return names.getObject(i + 1);
        COSArray kids = node.getCOSArray(COSName.KIDS);
        for (int i = 0; kids != null && i < kids.size(); i++) {
            COSBase found = kids.getObject(i) instanceof COSDictionary kid && mayHold(kid, name) ? find(kid, name, depth + 1) : null;
            if (found != null) return found;
        }
        return null;
    }

    /** A node tells between which names its own lie (7.9.6). */
    private static boolean mayHold(COSDictionary node, String name) {
        COSArray limits = node.getCOSArray(COSName.LIMITS);
        if (limits == null || limits.size() < 2 || !(limits.getObject(0) instanceof COSString first) || !(limits.getObject(1) instanceof COSString last))
            return true;
        return first.getString().compareTo(name) <= 0 && last.getString().compareTo(name) >= 0;
    }

    /** Takes names out of a tree whose places are of a kind. */
    static void thin(COSDictionary node, Predicate<COSBase> dead, int depth) {
        if (node == null || depth > DEEPEST) return;
        COSArray names = node.getCOSArray(COSName.NAMES);
        if (names != null) {
            COSArray left = new COSArray();
            for (int i = 0; i + 1 < names.size(); i += 2) {
                if (dead.test(place(names.getObject(i + 1)))) continue;
                left.add(names.get(i));
                left.add(names.get(i + 1));
            }
            node.setItem(COSName.NAMES, left);
        }
        COSArray kids = node.getCOSArray(COSName.KIDS);
        for (int i = 0; kids != null && i < kids.size(); i++) if (kids.getObject(i) instanceof COSDictionary kid) thin(kid, dead, depth + 1);
    }
}
