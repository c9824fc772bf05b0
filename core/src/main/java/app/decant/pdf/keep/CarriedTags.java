package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import java.io.IOException;
import java.util.List;
import java.util.function.IntFunction;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.COSObjectable;
import org.apache.pdfbox.pdmodel.common.PDNumberTreeNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDParentTreeValue;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;

/**
 * Words that went over to another page stay what they were in the structure of the document: the element that held them holds them there, after what it holds
 * already (ISO 32000-2, 14.7.5.2 and 14.7.5.4).
 */
final class CarriedTags {
    private static final COSName CONTENTS = COSName.getPDFName("MCR");
    private static final int DEEPEST = 32;

    private final PDDocument pdf;
    private final PutInElements elements;

    CarriedTags(PDDocument pdf) {
        this.pdf = pdf;
        elements = new PutInElements(pdf);
    }

    /**
     * Carries them over.
     *
     * @param page where the words are now
     * @param at   where pages of the original are in the file; null where they are not
     */
    void carry(PDPage page, List<Rewritten.Tagged> tagged, IntFunction<PDPage> at) throws IOException {
        PDStructureTreeRoot root = pdf.getDocumentCatalog().getStructureTreeRoot();
        PDNumberTreeNode parents = root == null ? null : root.getParentTree();
        if (parents == null) return;
        COSArray here = contents(parents, page);
        if (here == null) here = begun(root, parents, page);
        if (here == null) return;
        for (Rewritten.Tagged one : tagged) {
            PDPage before = at.apply(one.page());
            COSArray there = before == null ? null : contents(parents, before);
            if (there == null || one.there() >= there.size() || !(there.getObject(one.there()) instanceof COSDictionary element)) continue;
            if (Rewritten.Beside.GONE.equals(one.beside())) {
                if (elements.remove(element)) here.set(one.number(), COSNull.NULL);
                continue;
            }
            while (here.size() <= one.number()) here.add(COSNull.NULL);
            COSDictionary own = one.beside() == null ? null : elements.beside(element, one.beside());
            if (own != null) {
                here.set(one.number(), own);
                own.getCOSArray(COSName.K).add(contents(one.number(), page));
            } else {
                // What has no place of its own in a damaged structure is read with what it is beside.
                here.set(one.number(), there.get(one.there()));
                add(element, one, before, page);
            }
        }
    }

    /** The elements that the marked contents of a page are of, by their numbers; null where it has none. */
    static COSArray contents(PDNumberTreeNode parents, PDPage page) throws IOException {
        int key = page.getStructParents();
        COSObjectable found = key < 0 ? null : (COSObjectable) parents.getValue(key);
        COSBase base = found instanceof PDParentTreeValue value ? value.getCOSObject() : found == null ? null : found.getCOSObject();
        return base instanceof COSArray array ? array : null;
    }

    /** An annotation is on another page: what the element that holds it says of that (14.7.5.3). */
    void carry(COSDictionary annotation, PDPage to) throws IOException {
        COSDictionary element = holder(annotation);
        COSBase kids = element == null ? null : element.getDictionaryObject(COSName.K);
        for (int i = 0; kids != null && i < (kids instanceof COSArray several ? several.size() : 1); i++) {
            COSBase kid = kids instanceof COSArray several ? several.getObject(i) : kids;
            if (kid instanceof COSDictionary told && told.getDictionaryObject(COSName.OBJ) == annotation) told.setItem(COSName.PG, to.getCOSObject());
        }
    }

    /** An annotation is gone: no element holds it any more. */
    void drop(COSDictionary annotation) throws IOException {
        COSDictionary element = holder(annotation);
        COSBase kids = element == null ? null : element.getDictionaryObject(COSName.K);
        if (kids instanceof COSDictionary told && told.getDictionaryObject(COSName.OBJ) == annotation) element.removeItem(COSName.K);
        if (!(kids instanceof COSArray several)) return;
        for (int i = several.size() - 1; i >= 0; i--)
            if (several.getObject(i) instanceof COSDictionary told && told.getDictionaryObject(COSName.OBJ) == annotation) several.remove(i);
    }

    /** The element that an annotation says it is of; null where there is none. */
    private COSDictionary holder(COSDictionary annotation) throws IOException {
        PDStructureTreeRoot root = pdf.getDocumentCatalog().getStructureTreeRoot();
        PDNumberTreeNode parents = root == null ? null : root.getParentTree();
        int key = annotation.getInt(COSName.STRUCT_PARENT, -1);
        COSObjectable found = parents == null || key < 0 ? null : (COSObjectable) parents.getValue(key);
        COSBase base = found instanceof PDParentTreeValue value ? value.getCOSObject() : found == null ? null : found.getCOSObject();
        return base instanceof COSDictionary element ? element : null;
    }

    /** A page that is put in has no marked contents of the structure yet, and gets some (14.7.5.4); null where those that a page names are not there. */
    private static COSArray begun(PDStructureTreeRoot root, PDNumberTreeNode parents, PDPage page) {
        if (page.getStructParents() >= 0) return null;
        COSArray contents = new COSArray();
        COSDictionary tree = parents.getCOSObject();
        int next = Math.max(root.getParentTreeNextKey(), greatest(tree, 0) + 1);
        COSArray numbers = new COSArray(List.of(COSInteger.get(next), contents));
        if (tree.getCOSArray(COSName.KIDS) != null) {
            COSDictionary kid = new COSDictionary();
            kid.setItem(COSName.NUMS, numbers);
            kid.setItem(COSName.LIMITS, new COSArray(List.of(COSInteger.get(next), COSInteger.get(next))));
            tree.getCOSArray(COSName.KIDS).add(kid);
        } else {
            COSArray own = tree.getCOSArray(COSName.NUMS);
            if (own == null) tree.setItem(COSName.NUMS, numbers);
            else own.addAll(numbers);
        }
        page.setStructParents(next);
        root.setParentTreeNextKey(next + 1);
        return contents;
    }

    /** The greatest key of a number tree (7.9.7); -1 where it has none. */
    private static int greatest(COSDictionary node, int depth) {
        int greatest = -1;
        COSArray numbers = node.getCOSArray(COSName.NUMS);
        for (int i = 0; numbers != null && i + 1 < numbers.size(); i += 2) greatest = Math.max(greatest, numbers.getInt(i, -1));
        COSArray kids = node.getCOSArray(COSName.KIDS);
        for (int i = 0; kids != null && depth < DEEPEST && i < kids.size(); i++)
            if (kids.getObject(i) instanceof COSDictionary kid) greatest = Math.max(greatest, greatest(kid, depth + 1));
        return greatest;
    }

    private static void add(COSDictionary element, Rewritten.Tagged one, PDPage before, PDPage page) {
        COSDictionary kid = contents(one.number(), page);
        COSBase kids = element.getDictionaryObject(COSName.K);
        COSArray all = kids instanceof COSArray array ? array : new COSArray();
        if (all != kids) {
            if (kids != null) all.add(kids);
            element.setItem(COSName.K, all);
        }
        int after = all.size();
        for (int i = 0; i < all.size(); i++) if (isThat(all.getObject(i), one.there(), element, before)) after = i + 1;
        // Several marked contents of one element stay in their order.
        while (after < all.size() && isOn(all.getObject(after), page)) after++;
        all.add(after, kid);
    }

    private static COSDictionary contents(int number, PDPage page) {
        COSDictionary kid = new COSDictionary();
        kid.setItem(COSName.TYPE, CONTENTS);
        kid.setItem(COSName.PG, page.getCOSObject());
        kid.setItem(COSName.MCID, COSInteger.get(number));
        return kid;
    }

    private static boolean isThat(COSBase kid, int number, COSDictionary element, PDPage page) {
        if (kid instanceof COSInteger own) return own.intValue() == number && element.getDictionaryObject(COSName.PG) == page.getCOSObject();
        return kid instanceof COSDictionary told && told.getInt(COSName.MCID, -1) == number
                && (told.containsKey(COSName.PG) ? told : element).getDictionaryObject(COSName.PG) == page.getCOSObject();
    }

    private static boolean isOn(COSBase kid, PDPage page) {
        return kid instanceof COSDictionary told && CONTENTS.equals(told.getCOSName(COSName.TYPE))
                && told.getDictionaryObject(COSName.PG) == page.getCOSObject();
    }
}
