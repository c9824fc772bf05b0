package app.decant.pdf;

import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * How many pages the nodes of a page tree say they hold (ISO 32000-2, 7.7.3.2). Programs that cut pages out by hand forget to say so, and whoever believes
 * them looks for pages that are not there, or does not see some that are.
 */
final class PageCounts {
    private static final int DEEPEST = 200;

    private final Set<COSDictionary> seen = Collections.newSetFromMap(new IdentityHashMap<>());

    private PageCounts() { }

    /**
     * Puts numbers right that are wrong, and takes nodes out that lead back to themselves. Nodes that hold as many pages as they say are not looked
     * through.
     */
    static void mend(PDDocument pdf) {
        COSDictionary root = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.PAGES);
        if (root != null) new PageCounts().count(root, 0);
    }

    private int count(COSDictionary node, int depth) {
        COSArray kids = node.getCOSArray(COSName.KIDS);
        if (kids == null) return 1;
        int told = node.getInt(COSName.COUNT, -1);
        seen.add(node);
        if (depth > DEEPEST) return 0;
        if (told == kids.size() && told > 0 && isPage(kids.getObject(0)) && isPage(kids.getObject(told - 1))) return told;
        int count = 0;
        for (int i = 0; i < kids.size(); i++) {
            if (!(kids.getObject(i) instanceof COSDictionary kid)) continue;
            // One that holds itself, or stands twice, is no tree.
            if (seen.contains(kid)) kids.remove(i--);
            else count += count(kid, depth + 1);
        }
        if (count != told) node.setInt(COSName.COUNT, count);
        return count;
    }

    private static boolean isPage(COSBase kid) { return kid instanceof COSDictionary page && !page.containsKey(COSName.KIDS); }
}
