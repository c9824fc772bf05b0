package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDNamedDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageDestination;
import org.junit.jupiter.api.Test;

/** Places by name (ISO 32000-2, 12.3.2.4 and 7.9.6): found as PDFBox finds them, in trees of any shape. */
class DestinationsTest {
    private static COSArray place(int number) {
        COSArray place = new COSArray();
        place.add(COSInteger.get(number));
        place.add(COSName.getPDFName("Fit"));
        return place;
    }

    private static COSDictionary leaf(int from, int to, boolean limits) {
        COSArray names = new COSArray();
        for (int i = from; i < to; i++) {
            names.add(new COSString(name(i)));
            COSDictionary wrapped = new COSDictionary();
            wrapped.setItem(COSName.D, place(i));
            names.add(i % 2 == 0 ? place(i) : wrapped);
        }
        COSDictionary leaf = new COSDictionary();
        leaf.setItem(COSName.NAMES, names);
        if (limits) leaf.setItem(COSName.LIMITS, limits(name(from), name(to - 1)));
        return leaf;
    }

    private static COSArray limits(String first, String last) {
        COSArray limits = new COSArray();
        limits.add(new COSString(first));
        limits.add(new COSString(last));
        return limits;
    }

    private static String name(int number) { return String.format("part%03d", number); }

    private static COSDictionary node(COSDictionary... kids) {
        COSArray array = new COSArray();
        for (COSDictionary kid : kids) array.add(kid);
        COSDictionary node = new COSDictionary();
        node.setItem(COSName.KIDS, array);
        return node;
    }

    private static COSDictionary catalog(COSDictionary tree) {
        COSDictionary names = new COSDictionary();
        names.setItem(COSName.DESTS, tree);
        COSDictionary catalog = new COSDictionary();
        catalog.setItem(COSName.NAMES, names);
        return catalog;
    }

    private static int number(COSBase place) { return place instanceof COSArray array ? array.getInt(0) : -1; }

    @Test void namesAreFoundInTreesOfAnyShape() {
        List<COSDictionary> trees = List.of(leaf(0, 20, false), node(leaf(0, 7, true), leaf(7, 14, true), leaf(14, 20, true)),
                node(node(leaf(0, 5, true), leaf(5, 9, false)), node(node(leaf(9, 20, true)))));
        for (COSDictionary tree : trees) {
            COSDictionary catalog = catalog(tree);
            for (int i = 0; i < 20; i++) assertThat(number(Destinations.resolve(catalog, new COSString(name(i))))).isEqualTo(i);
            for (String none : List.of("part020", "", "Part001", "part0", "part0011")) assertThat(Destinations.resolve(catalog, new COSString(none))).isNull();
        }
    }

    /** As PDFBox finds them. */
    @Test void anotherReaderFindsTheSame() throws Exception {
        try (PDDocument pdf = new PDDocument()) {
            for (int i = 0; i < 20; i++) pdf.addPage(new PDPage());
            COSDictionary tree = node(leaf(0, 7, true), leaf(7, 20, true));
            for (COSBase kid : tree.getCOSArray(COSName.KIDS)) {
                COSArray names = ((COSDictionary) kid).getCOSArray(COSName.NAMES);
                for (int i = 1; i < names.size(); i += 2) {
                    COSArray place = (COSArray) Destinations.place(names.getObject(i));
                    place.set(0, pdf.getPage(place.getInt(0)).getCOSObject());
                }
            }
            COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
            catalog.setItem(COSName.NAMES, catalog(tree).getCOSDictionary(COSName.NAMES));
            for (int i = 0; i < 20; i++) {
                PDPageDestination theirs = pdf.getDocumentCatalog().findNamedDestinationPage(new PDNamedDestination(name(i)));
                COSArray ours = (COSArray) Destinations.resolve(catalog, new COSString(name(i)));
                assertThat(ours.getObject(0)).isSameAs(theirs.getPage().getCOSObject());
            }
        }
    }

    /** 12.3.2.4: names of the first generation stand in a dictionary of the catalog; places may also be told outright. */
    @Test void olderNamesAndPlacesThemselvesAreFound() {
        COSDictionary old = new COSDictionary();
        old.setItem(COSName.getPDFName("fares"), place(3));
        COSDictionary catalog = new COSDictionary();
        assertThat(Destinations.resolve(catalog, COSName.getPDFName("fares"))).isNull();
        assertThat(Destinations.resolve(catalog, new COSString("fares"))).isNull();
        catalog.setItem(COSName.DESTS, old);
        assertThat(number(Destinations.resolve(catalog, COSName.getPDFName("fares")))).isEqualTo(3);
        assertThat(Destinations.resolve(catalog, COSName.getPDFName("times"))).isNull();
        assertThat(number(Destinations.resolve(catalog, place(5)))).isEqualTo(5);
        assertThat(Destinations.resolve(catalog, null)).isNull();
    }

    /** A tree that holds itself, or is not made of what it should be, ends the search and nothing else. */
    @Test void treesThatLieEndTheSearch() {
        COSDictionary circle = node(leaf(0, 3, true));
        circle.getCOSArray(COSName.KIDS).add(circle);
        assertThat(number(Destinations.resolve(catalog(circle), new COSString(name(2))))).isEqualTo(2);
        assertThat(Destinations.resolve(catalog(circle), new COSString("nowhere"))).isNull();
        COSDictionary odd = new COSDictionary();
        COSArray names = new COSArray();
        names.add(COSInteger.ONE);
        names.add(place(1));
        names.add(new COSString(name(9)));
        odd.setItem(COSName.NAMES, names);
        odd.setItem(COSName.KIDS, place(1));
        odd.setItem(COSName.LIMITS, place(1));
        assertThat(Destinations.resolve(catalog(odd), new COSString(name(9)))).as("a name without a place").isNull();
        Destinations.thin(circle, place -> true, 0);
        assertThat(Destinations.resolve(catalog(circle), new COSString(name(2)))).isNull();
    }

    /** What leads to pages that went goes; the rest stays in order, wherever it hangs. */
    @Test void deadNamesGoAndOthersStay() {
        COSDictionary tree = node(leaf(0, 7, true), node(leaf(7, 14, true), leaf(14, 20, false)));
        Destinations.thin(tree, place -> number(place) % 3 == 0, 0);
        COSDictionary catalog = catalog(tree);
        List<Integer> left = new ArrayList<>();
        for (int i = 0; i < 20; i++) if (Destinations.resolve(catalog, new COSString(name(i))) != null) left.add(i);
        assertThat(left).containsExactly(1, 2, 4, 5, 7, 8, 10, 11, 13, 14, 16, 17, 19);
    }
}
