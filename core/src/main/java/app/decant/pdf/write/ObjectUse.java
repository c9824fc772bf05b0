package app.decant.pdf.write;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;

/**
 * Which objects each page of a file needs, and which the document as a whole: what decides where they stand in a file for quick display
 * (ISO 32000-1, F.3).
 */
public final class ObjectUse {
    /** What of the catalogue a reader needs before it shows the first page (F.3.5). */
    private static final Set<String> AT_ONCE = Set.of("ViewerPreferences", "PageMode", "Threads", "OpenAction", "AcroForm", "Encrypt");

    final Map<COSObjectKey, COSBase> objects = new TreeMap<>();
    /** For each page the objects it uses, itself included. */
    final List<Set<COSObjectKey>> pages = new ArrayList<>();
    final Set<COSObjectKey> atOnce = new TreeSet<>();
    final Set<COSObjectKey> outlines = new TreeSet<>();
    final Set<COSObjectKey> others = new TreeSet<>();

    ObjectUse(COSDictionary trailer, COSDictionary catalogue, List<COSObject> pageObjects) {
        for (COSObject page : pageObjects) {
            Set<COSObjectKey> used = new TreeSet<>();
            walk(page, used, new HashSet<>(), true);
            pages.add(used);
        }
        for (Map.Entry<COSName, COSBase> entry : catalogue.entrySet()) {
            String name = entry.getKey().getName();
            Set<COSObjectKey> home = AT_ONCE.contains(name) ? atOnce : name.equals("Outlines") ? outlines : others;
            walk(entry.getValue(), home, new HashSet<>(), false);
        }
        for (Map.Entry<COSName, COSBase> entry : trailer.entrySet())
            if (!entry.getKey().equals(COSName.ROOT)) walk(entry.getValue(), others, new HashSet<>(), false);
    }

    private void walk(COSBase value, Set<COSObjectKey> used, Set<COSObjectKey> seen, boolean top) {
        COSBase direct = value;
        if (value instanceof COSObject reference) {
            direct = reference.getObject();
            boolean page = direct instanceof COSDictionary dictionary && COSName.PAGE.equals(dictionary.getCOSName(COSName.TYPE));
            if (page && !top || direct == null || !seen.add(reference.getKey())) return;
            used.add(reference.getKey());
            objects.put(reference.getKey(), direct);
        }
        if (direct instanceof COSDictionary dictionary) {
            boolean page = COSName.PAGE.equals(dictionary.getCOSName(COSName.TYPE));
            // The length of a stream is written in place, wherever it stood.
            COSName but = page ? COSName.PARENT : dictionary instanceof COSStream ? COSName.LENGTH : null;
            for (Map.Entry<COSName, COSBase> entry : dictionary.entrySet()) if (!entry.getKey().equals(but)) walk(entry.getValue(), used, seen, false);
        } else if (direct instanceof COSArray array) {
            for (int i = 0; i < array.size(); i++) walk(array.get(i), used, seen, false);
        }
    }

    /** How many pages use an object. */
    int users(COSObjectKey key) { return (int) pages.stream().filter(used -> used.contains(key)).count(); }
}
