package app.decant.pdf.check;

import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.Set;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;

/** Counts the bookmarks of a file (ISO 32000-2, 12.3.3). Trees that run in circles end. */
final class Trees {
    private Trees() { }

    static int items(COSDictionary outline) {
        Set<COSDictionary> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        Deque<COSDictionary> open = new ArrayDeque<>();
        if (outline.getCOSDictionary(COSName.FIRST) != null) open.push(outline.getCOSDictionary(COSName.FIRST));
        while (!open.isEmpty()) {
            COSDictionary item = open.pop();
            if (!seen.add(item)) continue;
            for (COSName name : new COSName[] {COSName.NEXT, COSName.FIRST}) if (item.getCOSDictionary(name) != null) open.push(item.getCOSDictionary(name));
        }
        return seen.size();
    }
}
