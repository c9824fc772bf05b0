package app.decant.pdf.mend;

import java.util.ArrayDeque;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;

/** All objects of a file that its catalogue leads to. */
final class FileObjects {
    /** No file at hand has a tenth of it; one that has more is left as it is from there on. */
    private static final int MOST = 4_000_000;

    private FileObjects() { }

    /** Shows every dictionary once, streams among them; what is put in while looking may be seen or not. */
    static void each(PDDocument pdf, Consumer<COSDictionary> look) {
        Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        Deque<COSBase> open = new ArrayDeque<>(List.of(pdf.getDocumentCatalog().getCOSObject()));
        while (!open.isEmpty() && seen.size() < MOST) {
            COSBase at = open.pop();
            if (!seen.add(at)) continue;
            if (at instanceof COSDictionary dictionary) {
                look.accept(dictionary);
                for (COSBase value : dictionary.getValues()) push(value, open);
            } else if (at instanceof COSArray array) {
                for (int i = 0; i < array.size(); i++) push(array.get(i), open);
            }
        }
    }

    private static void push(COSBase told, Deque<COSBase> open) {
        COSBase value = told instanceof COSObject object ? object.getObject() : told;
        if (value instanceof COSDictionary || value instanceof COSArray) open.push(value);
    }
}
