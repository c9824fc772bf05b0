package app.decant.pdf.keep;


import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.Change;
import app.decant.edit.Deletion;
import app.decant.edit.Dressing;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.page.Pages;
import app.decant.pdf.HandmadePage;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;

/** A PDF whose streams are written by hand, a word of it corrected and published; and what PDFBox reads of both. */
final class CorrectedFile {
    static final String PARAGRAPH = "BT /F1 11 Tf 72 640 Td 14 TL (The harbour office opens at eight in the morning and) Tj T* (closes at noon, on"
            + " Sundays as well, as long as the) Tj T* (ferry sails at all.) Tj ET\n";
    private final Path root;

    CorrectedFile(Path root) { this.root = root; }

    Path file(String... contents) throws IOException {
        Path file = root.resolve("source.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDType1Font font = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
            PDType1Font bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
            for (String content : contents) {
                PDResources resources = new PDResources();
                resources.put(COSName.getPDFName("F1"), font);
                resources.put(COSName.getPDFName("F2"), bold);
                HandmadePage.add(pdf, resources, content + PARAGRAPH);
            }
            pdf.save(file.toFile());
        }
        return file;
    }

    record Made(Pages pages, Receipt receipt, List<String> findings) { }

    /** Takes a file in, puts a word in place of another, publishes it. */
    Made correct(Path file, String word, String other) { return correct(file, word, other, Recipe.PLAIN); }

    Made correct(Path file, String word, String other, Recipe wished) {
        Taken taken = Decant.open(file);
        return made(file, taken, Typing.type(taken.document(), find(taken.document(), word), other, null).after(), wished);
    }

    /** Gives a word another look, and publishes it. */
    Made dress(Path file, String word, UnaryOperator<Look> look) {
        Taken taken = Decant.open(file);
        return made(file, taken, Dressing.looks(taken.document(), find(taken.document(), word), look).after(), Recipe.PLAIN);
    }

    /** Ends the paragraph after some words, and writes on in another. */
    Made part(Path file, String words, String other) {
        Taken taken = Decant.open(file);
        Change parted = Typing.breakParagraph(taken.document(), TextSelection.caret(find(taken.document(), words).end()));
        return made(file, taken, other.isEmpty() ? parted.after() : Typing.type(parted.after(), parted.picked(), other, null).after(), Recipe.PLAIN);
    }

    /** Joins the paragraph that begins with some words to the one before it. */
    Made join(Path file, String words) {
        Taken taken = Decant.open(file);
        BlockPath path = find(taken.document(), words).start().path();
        Place before = new Place(path.sibling(path.last() - 1), taken.document().paragraph(path.sibling(path.last() - 1)).length());
        return made(file, taken, Typing.type(taken.document(), new TextSelection(before, new Place(path, 0)), " ", null).after(), Recipe.PLAIN);
    }

    /** Takes the paragraph out that holds a word, as one does who picks it whole. */
    Made remove(Path file, String word) {
        Taken taken = Decant.open(file);
        TextSelection found = find(taken.document(), word);
        BlockPath path = found.start().path();
        TextSelection whole = new TextSelection(new Place(path, 0), new Place(path.sibling(path.last() + 1), 0));
        return made(file, taken, Deletion.delete(taken.document(), whole).after(), Recipe.PLAIN);
    }

    static TextSelection find(Document document, String word) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int at = stop.paragraph().text().indexOf(word);
            if (at >= 0) return new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + word.length()));
        }
        throw new AssertionError("“" + word + "” did not come in");
    }

    Made made(Path file, Taken taken, Document now, Recipe wished) {
        Intake intake = Intake.revised(file, null, taken, Decant.layOut(now), Intake.fingerprint(file));
        Recipe recipe = wished.with(Recipe.WhenPresent.REPLACE);
        Pages pages = intake.pages(recipe, Progress.SILENT);
        Receipt receipt = Decant.publish(new Order(pages, recipe), root.resolve("result.pdf"), Progress.SILENT).get(0);
        List<String> findings = new ArrayList<>(intake.findings().stream().map(Finding::what).toList());
        findings.addAll(receipt.findings().stream().map(Finding::what).toList());
        return new Made(pages, receipt, findings);
    }

    /** Every letter of a page with its place. */
    static List<String> letters(Path file, int page) throws IOException {
        List<String> letters = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    letters.add(String.format(Locale.ROOT, "%s %.1f %.1f", text.getUnicode(), text.getXDirAdj() + 0.001, text.getYDirAdj() + 0.001));
                }
            };
            stripper.setStartPage(page + 1);
            stripper.setEndPage(page + 1);
            stripper.getText(pdf);
        }
        return letters;
    }

    static String text(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return new PDFTextStripper().getText(pdf);
        }
    }

    static String stream(Path file, int page) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile()); InputStream in = pdf.getPage(page).getContents()) {
            return new String(in.readAllBytes(), StandardCharsets.ISO_8859_1);
        }
    }
}
