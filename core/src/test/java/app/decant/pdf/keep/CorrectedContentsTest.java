package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.demo.PassengerHandbook;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.Change;
import app.decant.edit.Deletion;
import app.decant.edit.FollowingContents;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDObjectReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The contents page of a PDF whose headings are corrected, as PDFBox reads it: a line of it says the new words, all others stand as they stood. */
class CorrectedContentsTest {
    private static final int CONTENTS = 1;
    @TempDir private static Path root;
    private static Path source;
    private static Taken taken;

    @BeforeAll static void takeIn() {
        source = root.resolve("handbook.pdf");
        Decant.publish(new Order(Decant.layOut(PassengerHandbook.document()), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), source, Progress.SILENT);
        taken = Decant.open(source);
    }

    private static Made made(Change change) {
        Made made = new CorrectedFile(root).made(source, taken, FollowingContents.of(change).after(), Recipe.PLAIN);
        assertThat(made.pages().rewritten(CONTENTS)).as("in its own stream: %s", made.findings()).isNotNull();
        assertThat(made.receipt().proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        return made;
    }

    private static List<String> lines(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setSortByPosition(true);
            stripper.setStartPage(CONTENTS + 1);
            stripper.setEndPage(CONTENTS + 1);
            return stripper.getText(pdf).lines().map(line -> line.replaceAll("[. ]{3,}", " ")).toList();
        }
    }

    @Test void anEntrySaysWhatItsHeadingSays() throws IOException {
        Document document = taken.document();
        TextSelection words = heading(document, "Boarding");
        Made made = made(Typing.type(document, words, "Coming aboard", null));
        List<String> was = lines(source);
        assertThat(lines(made.receipt().file())).containsExactlyElementsOf(was.stream().map(line -> line.replace("Boarding", "Coming aboard")).toList())
                .isNotEqualTo(was);
        assertThat(links(made.receipt().file())).isEqualTo(links(source));
    }

    @Test void anEntryGoesWithItsHeadingAndItsLink() throws IOException {
        Document document = taken.document();
        BlockPath path = heading(document, "Boarding").start().path();
        Made made = made(Deletion.delete(document, new TextSelection(new Place(path, 0), new Place(path.sibling(path.last() + 1), 0))));
        assertThat(lines(made.receipt().file())).noneMatch(line -> line.contains("Boarding")).hasSize(lines(source).size() - 1)
                .anyMatch(line -> line.contains("In rough weather"));
        int[] was = links(source);
        assertThat(links(made.receipt().file())).as("of the page, and in the structure").containsExactly(was[0] - 1, was[1] - 1);
    }

    /** What is said by a paragraph of the text, not by an entry. */
    private static TextSelection heading(Document document, String words) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int at = stop.path().size() == 2 ? stop.paragraph().text().indexOf(words) : -1;
            if (at >= 0) return new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + words.length()));
        }
        throw new AssertionError(words);
    }

    /** The links of the contents page, and those that the structure holds anywhere. */
    private static int[] links(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            COSArray annotations = pdf.getPage(CONTENTS).getCOSObject().getCOSArray(COSName.ANNOTS);
            return new int[] {annotations.size(), held(pdf.getDocumentCatalog().getStructureTreeRoot())};
        }
    }

    private static int held(PDStructureNode node) {
        int held = 0;
        for (Object kid : node.getKids()) {
            if (kid instanceof PDStructureNode child) held += held(child);
            if (kid instanceof PDObjectReference reference && subtype(reference.getCOSObject())) held++;
        }
        return held;
    }

    private static boolean subtype(COSDictionary reference) {
        COSBase object = reference.getDictionaryObject(COSName.OBJ);
        return object instanceof COSDictionary annotation && "Link".equals(annotation.getNameAsString(COSName.SUBTYPE));
    }
}
