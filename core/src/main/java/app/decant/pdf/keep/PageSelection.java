package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.words.Message;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDPageLabelRange;
import org.apache.pdfbox.pdmodel.common.PDPageLabels;

/**
 * Some of a file's pages, in an order of its own. What is not chosen is gone for good: nothing in the result leads to it any more, so that nobody finds it
 * by looking inside (bookmarks, links, fields, the tags of its text).
 */
public final class PageSelection {
    /** The key of what is said where links lead to pages that are left out. */
    public static final String LINKS_LEFT = "keep.links-led-to-pages-that-are-left";

    private static final COSName XFA = COSName.getPDFName("XFA");
    private static final int DEEPEST = 400;

    private final PDDocument pdf;
    private final COSDictionary catalog;
    private final Set<COSBase> gone = Collections.newSetFromMap(new IdentityHashMap<>());
    private final Set<COSBase> widgets = Collections.newSetFromMap(new IdentityHashMap<>());
    private final Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());
    private final List<Finding> findings = new ArrayList<>();
    private int links;

    PageSelection(PDDocument pdf) {
        this.pdf = pdf;
        catalog = pdf.getDocumentCatalog().getCOSObject();
    }

    /**
     * Keeps these pages only.
     *
     * @param chosen indexes, in their new order; -1 for a new page, empty as yet
     * @param labels the printed numbers of new pages, by their place among the chosen
     * @param flat   whether pages are to hold all that is theirs, inheriting nothing
     */
    List<Finding> keep(List<Integer> chosen, List<String> labels, boolean flat) {
        List<PDPage> all = new ArrayList<>();
        pdf.getPages().forEach(all::add);
        if (isRun(chosen) && chosen.size() == all.size()) {
            if (flat) rebuild(all);
            return List.of();
        }
        List<PDPage> kept = chosen.stream().map(index -> index < 0 ? new PDPage() : all.get(index)).toList();
        for (PDPage page : all) gone.add(page.getCOSObject());
        kept.forEach(page -> gone.remove(page.getCOSObject()));
        List<String> numbers = OwnPages.numbers(pdf, all.size());
        rebuild(kept);
        boolean labelled = catalog.containsKey(COSName.PAGE_LABELS) || !isRun(chosen);
        if (labelled) label(IntStream.range(0, chosen.size()).mapToObj(i -> chosen.get(i) < 0 ? labels.get(i) : numbers.get(chosen.get(i))).toList());
        for (PDPage page : kept) annotations(page);
        outline();
        destinations();
        fields();
        COSDictionary tags = catalog.getCOSDictionary(COSName.STRUCT_TREE_ROOT);
        if (tags != null) tags(tags, null, 0);
        sweep();
        if (links > 0) findings.add(Finding.changed(Message.of(LINKS_LEFT, links)));
        return findings;
    }

    /** Takes out fields that no page shows any more. */
    List<Finding> forgetFields() {
        for (PDPage page : pdf.getPages()) {
            COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
            for (int i = 0; annotations != null && i < annotations.size(); i++) widgets.add(annotations.getObject(i));
        }
        fields();
        sweep();
        return findings;
    }

    /** Takes what some pages say out of the tags: their text is another now. Gives whether there was any. */
    boolean untag(Collection<PDPage> pages) {
        COSDictionary tags = catalog.getCOSDictionary(COSName.STRUCT_TREE_ROOT);
        if (tags == null || pages.isEmpty()) return false;
        for (PDPage page : pages) gone.add(page.getCOSObject());
        tags(tags, null, 0);
        for (PDPage page : pages) {
            gone.remove(page.getCOSObject());
            page.getCOSObject().removeItem(COSName.getPDFName("StructParents"));
        }
        sweep();
        return true;
    }

    private static boolean isRun(List<Integer> chosen) {
        for (int i = 0; i < chosen.size(); i++) if (chosen.get(i) != i) return false;
        return true;
    }

    /** One flat tree; what pages inherit is written on each first (7.7.3.4). */
    private void rebuild(List<PDPage> kept) {
        COSDictionary root = catalog.getCOSDictionary(COSName.PAGES);
        for (PDPage page : kept) {
            COSDictionary own = page.getCOSObject();
            for (COSName name : new COSName[] {COSName.RESOURCES, COSName.MEDIA_BOX, COSName.CROP_BOX, COSName.ROTATE}) {
                COSBase inherited = inherited(own, name);
                if (!own.containsKey(name) && inherited != null) own.setItem(name, inherited);
            }
        }
        COSArray kids = new COSArray();
        for (PDPage page : kept) {
            page.getCOSObject().setItem(COSName.PARENT, root);
            kids.add(page.getCOSObject());
        }
        root.setItem(COSName.KIDS, kids);
        root.setItem(COSName.COUNT, COSInteger.get(kept.size()));
        for (COSName name : new COSName[] {COSName.RESOURCES, COSName.MEDIA_BOX, COSName.CROP_BOX, COSName.ROTATE}) root.removeItem(name);
    }

    private static COSBase inherited(COSDictionary page, COSName name) {
        COSDictionary at = page;
        for (int i = 0; at != null && i < 64; i++, at = at.getCOSDictionary(COSName.PARENT)) {
            COSBase value = at.getItem(name);
            if (value != null) return value;
        }
        return null;
    }

    /** Each page goes by the number it had. */
    private void label(List<String> wished) {
        PDPageLabels labels = new PDPageLabels(pdf);
        for (int i = 0; i < wished.size(); i++) {
            PDPageLabelRange range = new PDPageLabelRange();
            if (wished.get(i).matches("[1-9]\\d{0,8}")) {
                boolean follows = i > 0 && wished.get(i - 1).matches("\\d{1,9}") && Integer.parseInt(wished.get(i - 1)) + 1 == Integer.parseInt(wished.get(i));
                if (follows) continue;
                range.setStyle(PDPageLabelRange.STYLE_DECIMAL);
                range.setStart(Integer.parseInt(wished.get(i)));
            } else {
                range.setPrefix(wished.get(i));
            }
            labels.setLabelItem(i, range);
        }
        pdf.getDocumentCatalog().setPageLabels(labels);
    }

    /** Links to what is gone go; fields are noted by what shows them. */
    private void annotations(PDPage page) {
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        if (annotations == null) return;
        COSArray left = new COSArray();
        boolean fewer = false;
        for (int i = 0; i < annotations.size(); i++) {
            COSBase told = annotations.getObject(i);
            boolean dead = told instanceof COSDictionary annotation && "Link".equals(annotation.getNameAsString(COSName.SUBTYPE)) && leadsAway(annotation);
            if (dead) {
                links++;
                fewer = true;
                gone.add(told);
            } else {
                widgets.add(told);
                left.add(annotations.get(i));
            }
        }
        if (fewer) page.getCOSObject().setItem(COSName.ANNOTS, left);
    }

    private boolean leadsAway(COSDictionary owner) {
        COSBase destination = owner.getDictionaryObject(COSName.DEST);
        if (destination == null && owner.getDictionaryObject(COSName.A) instanceof COSDictionary action && "GoTo".equals(action.getNameAsString(COSName.S)))
            destination = action.getDictionaryObject(COSName.D);
        return isGone(Destinations.resolve(catalog, destination));
    }

    private boolean isGone(COSBase destination) {
        return destination instanceof COSArray array && array.size() > 0 && gone.contains(array.getObject(0));
    }

    /** Bookmarks that led to what is gone: those with something left below lead where the first of that leads. */
    private void outline() {
        COSDictionary outline = catalog.getCOSDictionary(COSName.OUTLINES);
        if (outline == null) return;
        thin(outline, 0);
        if (outline.getCOSDictionary(COSName.FIRST) == null) catalog.removeItem(COSName.OUTLINES);
    }

    private void thin(COSDictionary node, int depth) {
        List<COSDictionary> left = new ArrayList<>();
        for (COSDictionary item = node.getCOSDictionary(COSName.FIRST); item != null && depth < 30 && seen.add(item);
                item = item.getCOSDictionary(COSName.NEXT)) {
            thin(item, depth + 1);
            COSDictionary first = item.getCOSDictionary(COSName.FIRST);
            if (leadsAway(item)) {
                if (first == null) continue;
                item.removeItem(COSName.A);
                item.removeItem(COSName.DEST);
                for (COSName name : new COSName[] {COSName.A, COSName.DEST}) if (first.getItem(name) != null) item.setItem(name, first.getItem(name));
            }
            left.add(item);
        }
        for (COSName name : new COSName[] {COSName.FIRST, COSName.LAST}) node.removeItem(name);
        int open = 0;
        for (int i = 0; i < left.size(); i++) {
            COSDictionary item = left.get(i);
            item.setItem(COSName.PARENT, node);
            if (i == 0) item.removeItem(COSName.PREV);
            else item.setItem(COSName.PREV, left.get(i - 1));
            if (i == left.size() - 1) item.removeItem(COSName.NEXT);
            else item.setItem(COSName.NEXT, left.get(i + 1));
            open += 1 + Math.max(0, item.getInt(COSName.COUNT, 0));
        }
        if (left.isEmpty()) {
            node.removeItem(COSName.COUNT);
            return;
        }
        node.setItem(COSName.FIRST, left.get(0));
        node.setItem(COSName.LAST, left.get(left.size() - 1));
        node.setInt(COSName.COUNT, node.getInt(COSName.COUNT, 0) < 0 ? -open : open);
    }

    /** Named places (12.3.2.4), and where the file opens. */
    private void destinations() {
        COSDictionary old = catalog.getCOSDictionary(COSName.DESTS);
        if (old != null) for (COSName name : List.copyOf(old.keySet())) if (isGone(Destinations.place(old.getDictionaryObject(name)))) old.removeItem(name);
        COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
        if (names != null) Destinations.thin(names.getCOSDictionary(COSName.DESTS), this::isGone, 0);
        COSBase opening = catalog.getDictionaryObject(COSName.OPEN_ACTION);
        COSBase led = opening instanceof COSDictionary action ? action.getDictionaryObject(COSName.D) : opening;
        if (isGone(Destinations.resolve(catalog, led))) catalog.removeItem(COSName.OPEN_ACTION);
    }

    /** Fields that show nowhere any more go, with what was filled in. */
    private void fields() {
        COSDictionary form = catalog.getCOSDictionary(COSName.ACRO_FORM);
        if (form == null) return;
        COSArray fields = form.getCOSArray(COSName.FIELDS);
        if (fields != null) form.setItem(COSName.FIELDS, shown(fields, 0));
        if (form.containsKey(XFA)) {
            // It describes all pages, and would show again what is left out.
            form.removeItem(XFA);
            findings.add(Finding.lost(Message.of("keep.the-form-description-for-one-maker-programs")));
        }
        COSArray order = form.getCOSArray(COSName.getPDFName("CO"));
        if (order == null) return;
        COSArray left = new COSArray();
        for (int i = 0; i < order.size(); i++) if (!gone.contains(order.getObject(i))) left.add(order.get(i));
        form.setItem(COSName.getPDFName("CO"), left);
    }

    private COSArray shown(COSArray fields, int depth) {
        COSArray left = new COSArray();
        for (int i = 0; i < fields.size(); i++) {
            if (!(fields.getObject(i) instanceof COSDictionary field) || depth > 64) continue;
            COSArray kids = field.getCOSArray(COSName.KIDS);
            boolean stays;
            if (kids != null) {
                COSArray below = shown(kids, depth + 1);
                field.setItem(COSName.KIDS, below);
                stays = below.size() > 0;
            } else {
                stays = widgets.contains(field) || !field.containsKey(COSName.RECT);
            }
            if (stays) left.add(fields.get(i));
            else gone.add(field);
        }
        return left;
    }

    /** Elements of the tags (14.7.2) that told of what is gone. Gives whether anything is left of one. */
    private boolean tags(COSDictionary element, COSBase page, int depth) {
        if (depth > DEEPEST) return false;
        COSBase on = element.getDictionaryObject(COSName.PG) == null ? page : element.getDictionaryObject(COSName.PG);
        COSBase kids = element.getDictionaryObject(COSName.K);
        if (kids == null) return !gone.contains(on);
        COSArray left = new COSArray();
        COSArray told = kids instanceof COSArray several ? several : null;
        int count = told == null ? 1 : told.size();
        for (int i = 0; i < count; i++) {
            COSBase kid = told == null ? kids : told.getObject(i);
            if (stays(kid, on, depth)) left.add(told == null ? element.getItem(COSName.K) : told.get(i));
        }
        boolean root = depth == 0;
        if (left.size() == 0 && !root) {
            gone.add(element);
            return false;
        }
        element.setItem(COSName.K, left);
        if (!root && gone.contains(element.getDictionaryObject(COSName.PG))) element.removeItem(COSName.PG);
        return true;
    }

    private boolean stays(COSBase kid, COSBase page, int depth) {
        if (kid instanceof COSInteger) return !gone.contains(page);
        if (!(kid instanceof COSDictionary dictionary)) return false;
        COSBase on = dictionary.getDictionaryObject(COSName.PG) == null ? page : dictionary.getDictionaryObject(COSName.PG);
        String type = dictionary.getNameAsString(COSName.TYPE);
        if ("MCR".equals(type) || "OBJR".equals(type)) return !gone.contains(on) && !gone.contains(dictionary.getDictionaryObject(COSName.OBJ));
        return tags(dictionary, page, depth + 1);
    }

    /** Whatever still leads to something gone leads nowhere from now on. */
    private void sweep() {
        Set<COSBase> visited = Collections.newSetFromMap(new IdentityHashMap<>());
        Deque<COSBase> open = new ArrayDeque<>(List.of(catalog));
        while (!open.isEmpty()) {
            COSBase at = open.pop();
            if (!visited.add(at)) continue;
            if (at instanceof COSDictionary dictionary) {
                for (COSName name : List.copyOf(dictionary.keySet())) {
                    COSBase value = plain(dictionary.getItem(name));
                    if (gone.contains(value)) dictionary.removeItem(name);
                    else if (value instanceof COSDictionary || value instanceof COSArray) open.push(value);
                }
            } else if (at instanceof COSArray array) {
                for (int i = 0; i < array.size(); i++) {
                    COSBase value = plain(array.get(i));
                    if (gone.contains(value)) array.set(i, COSNull.NULL);
                    else if (value instanceof COSDictionary || value instanceof COSArray) open.push(value);
                }
            }
        }
    }

    private static COSBase plain(COSBase told) { return told instanceof COSObject object ? object.getObject() : told; }
}
