package app.decant.pdf.note;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.Deletion;
import app.decant.edit.Reviewing.Remarked;
import app.decant.edit.Reviewing;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.check.PdfCheck;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.TimeZone;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationHighlight;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationMarkup;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationPopup;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.text.PDFTextStripperByArea;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Notes on pages of PDFs (ISO 32000-2, 12.5.6): taken in as comments on the words they mark, put on, answered, taken out; made and read by PDFBox. */
class NotesTest {
    private static final Calendar DAY = new GregorianCalendar(TimeZone.getTimeZone("UTC"));
    private static final Recipe PLAIN = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);

    static { DAY.setTimeInMillis(Instant.parse("2026-03-02T10:00:00Z").toEpochMilli()); }

    @TempDir private Path folder;
    private Path source;

    /** Two lines, the first of which has a marked word with an answer and a state, and a sign in the margin beside the second. */
    private void file(int rotation, boolean locked) throws IOException {
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            page.setRotation(rotation);
            pdf.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(pdf, page)) {
                line(content, 700, "The tents are lent for two weeks to members of the harbour club.");
                line(content, 660, "The boats are lent for one day, and come back clean.");
            }
            PDAnnotationHighlight mark = new PDAnnotationHighlight();
            said(mark, "Mara Olden", "Only for one?\rAsk the board.", new PDRectangle(150, 695, 31, 18));
            PDType1Font font = new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN);
            float left = 72 + font.getStringWidth("The tents are ") * 14 / 1000;
            float right = left + font.getStringWidth("lent") * 14 / 1000;
            mark.setQuadPoints(new float[] {left, 712, right, 712, left, 696, right, 696});
            PDAnnotationText answer = new PDAnnotationText();
            said(answer, "Ole Brandt", "Two, as before.", new PDRectangle(150, 695, 20, 20));
            answer.setInReplyTo(mark);
            PDAnnotationText state = new PDAnnotationText();
            said(state, "Ole Brandt", "", new PDRectangle(150, 695, 20, 20));
            state.setInReplyTo(answer);
            state.setState("Completed");
            state.setStateModel("Review");
            PDAnnotationText sign = new PDAnnotationText();
            said(sign, "Mara Olden", "Since when?", new PDRectangle(540, 655, 20, 20));
            PDAnnotationPopup window = new PDAnnotationPopup();
            window.setRectangle(new PDRectangle(400, 500, 100, 60));
            window.getCOSObject().setItem(COSName.PARENT, mark);
            List<PDAnnotation> all = new ArrayList<>(List.of(mark, window, answer, state, sign));
            PDAnnotationHighlight bare = new PDAnnotationHighlight();
            bare.setRectangle(new PDRectangle(72, 655, 30, 18));
            bare.setQuadPoints(new float[] {72, 672, 100, 672, 72, 656, 100, 656});
            all.add(bare);
            page.setAnnotations(all);
            if (locked) {
                AccessPermission permission = new AccessPermission(0);
                permission.setCanModify(true);
                permission.setCanExtractContent(true);
                pdf.protect(new StandardProtectionPolicy("owner", "", permission));
            }
            source = folder.resolve("lending.pdf");
            pdf.save(source.toFile());
        }
    }

    private static void line(PDPageContentStream content, float y, String text) throws IOException {
        content.beginText();
        content.setFont(new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN), 14);
        content.newLineAtOffset(72, y);
        content.showText(text);
        content.endText();
    }

    private static void said(PDAnnotationMarkup note, String author, String text, PDRectangle place) {
        note.setTitlePopup(author);
        note.setContents(text);
        note.setRectangle(place);
        note.setCreationDate(DAY);
    }

    private static List<Remarked> remarks(Document document) {
        return Reviewing.passages(document).stream().filter(Remarked.class::isInstance).map(Remarked.class::cast).toList();
    }

    @ParameterizedTest @ValueSource(ints = {0, 90, 180, 270})
    void notesComeInAsCommentsOnTheirWords(int rotation) throws IOException {
        file(rotation, false);
        Taken taken = Decant.open(source);
        List<Remarked> remarks = remarks(taken.document());
        assertThat(remarks).hasSize(2);
        Comment first = remarks.get(0).comment();
        assertThat(first.remark()).isEqualTo(new Comment.Remark("Mara Olden", DAY.toInstant(), "Only for one?\nAsk the board."));
        assertThat(first.answers()).extracting(Comment.Remark::text).containsExactly("Two, as before.");
        assertThat(first.done()).isTrue();
        assertThat(remarks.get(0).words()).isEqualTo("lent");
        assertThat(remarks.get(1).words()).as("the sign stands at the end of its line").isEqualTo("clean.");
        // One mark says nothing and stays behind; all else came in.
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(told -> told.startsWith("A mark on its pages that says nothing"));
        Path word = folder.resolve("lending.docx");
        Decant.publish(taken.document(), PLAIN.as(Target.DOCX), word);
        assertThat(Comments.borne(Decant.open(word).document()).keySet()).extracting(comment -> comment.remark().text())
                .containsExactly("Only for one?\nAsk the board.", "Since when?");
    }

    @Test void whatNobodyTouchedIsTheFileStill() throws IOException {
        file(0, false);
        Taken taken = Decant.open(source);
        Receipt receipt = publish(taken, taken.document());
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).containsExactly("Every byte is the original's");
    }

    @ParameterizedTest @ValueSource(ints = {0, 90, 180, 270})
    void aRemarkMarksItsWordsOnThePage(int rotation) throws IOException {
        file(rotation, false);
        Taken taken = Decant.open(source);
        Receipt receipt = publish(taken, remarked(taken.document(), "come back", "By whom?"));
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("It begins with every byte of the original",
                "A note is there, or gone, as on the desk", "Its page is the original's own, byte for byte");
        assertThat(Arrays.mismatch(Files.readAllBytes(receipt.file()), Files.readAllBytes(source))).isEqualTo((int) Files.size(source));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            PDAnnotationMarkup made = (PDAnnotationMarkup) pdf.getPage(0).getAnnotations().get(6);
            assertThat(made).isInstanceOf(PDAnnotationHighlight.class);
            assertThat(made.getContents()).isEqualTo("By whom?");
            assertThat(made.getTitlePopup()).isEqualTo("Ingrid Vaage");
            assertThat(made.isPrinted()).isTrue();
            assertThat(made.getNormalAppearanceStream()).isNotNull();
            // What it marks is what was picked, on the unturned paper.
            PDRectangle box = made.getRectangle();
            PDFTextStripperByArea words = new PDFTextStripperByArea();
            pdf.getPage(0).setRotation(0);
            words.addRegion("marked", new Rectangle2D.Double(box.getLowerLeftX() - 1, PDRectangle.A4.getHeight() - box.getUpperRightY(),
                    box.getWidth() + 2, box.getHeight()));
            words.extractRegions(pdf.getPage(0));
            assertThat(words.getTextForRegion("marked").strip()).isEqualTo("come back");
        }
        // Taken in again, it is what it was here.
        List<Remarked> again = remarks(Decant.open(receipt.file()).document());
        assertThat(again).extracting(Remarked::words).containsExactly("lent", "come back", "clean.");
    }

    @Test void answersAndWhatIsSettledStandBesideTheirNote() throws IOException {
        file(0, false);
        Taken taken = Decant.open(source);
        Remarked sign = remarks(taken.document()).get(1);
        Comment answered = sign.comment().answered(new Comment.Remark("Ingrid Vaage", DAY.toInstant(), "Since March.")).withDone(true);
        Document now = Reviewing.replace(taken.document(), sign.where(), sign, answered).after();
        Remarked mark = remarks(now).get(0);
        now = Reviewing.replace(now, mark.where(), mark, mark.comment().withDone(false)).after();
        Receipt receipt = publish(taken, now);
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        List<Remarked> again = remarks(Decant.open(receipt.file()).document());
        assertThat(again.get(1).comment().answers()).extracting(Comment.Remark::author, Comment.Remark::text)
                .containsExactly(Tuple.tuple("Ingrid Vaage", "Since March."));
        assertThat(again.get(1).comment().done()).isTrue();
        assertThat(again.get(0).comment().done()).isFalse();
        assertThat(again.get(0).comment().answers()).hasSize(1);
    }

    @Test void aNoteGoesWithItsAnswersAndItsWindow() throws IOException {
        file(0, false);
        Taken taken = Decant.open(source);
        Remarked mark = remarks(taken.document()).get(0);
        Receipt receipt = publish(taken, Reviewing.replace(taken.document(), mark.where(), mark, null).after());
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getPage(0).getAnnotations()).extracting(PDAnnotation::getContents).containsExactly("Since when?", null);
        }
    }

    @Test void wordsAreCorrectedUnderANoteAndBesideANewOne() throws IOException {
        file(0, false);
        Taken taken = Decant.open(source);
        Document now = remarked(taken.document(), "one day", "Or two?");
        Walk.Stop stop = stop(now, "The tents");
        int at = stop.paragraph().text().indexOf("two weeks");
        now = Typing.type(now, new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + 3)), "six", null).after();
        Receipt receipt = publish(taken, now);
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).anyMatch(told -> told.startsWith("One page was changed in one place"));
        Document again = Decant.open(receipt.file()).document();
        assertThat(stop(again, "The tents").paragraph().text()).contains("lent for six weeks");
        assertThat(remarks(again)).extracting(Remarked::words).containsExactly("lent", "one day", "clean.");
    }

    @Test void whereWordsGoTheirNotesGo() throws IOException {
        file(0, false);
        Taken taken = Decant.open(source);
        Walk.Stop stop = stop(taken.document(), "The tents");
        int at = stop.paragraph().text().indexOf("lent");
        Document now = Deletion.delete(taken.document(), new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + 5))).after();
        Receipt receipt = publish(taken, now);
        assertThat(receipt.proofs()).allMatch(PdfCheck.Proof::holds);
        assertThat(remarks(Decant.open(receipt.file()).document())).extracting(Remarked::words).containsExactly("clean.");
    }

    @Test void whatItsOwnerForbidsIsRefused() throws IOException {
        file(0, true);
        Taken taken = Decant.open(source);
        assertThatThrownBy(() -> publish(taken, remarked(taken.document(), "one day", "Or two?"))).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.NOT_PERMITTED));
    }

    @Test void notesThatContradictThemselvesAreTakenForWhatTheySay() throws IOException {
        file(0, false);
        try (PDDocument pdf = Loader.loadPDF(source.toFile())) {
            List<PDAnnotation> all = pdf.getPage(0).getAnnotations();
            // Answers in a circle, corners that are none, a mark without a place, one beyond the page.
            all.get(2).getCOSObject().setItem(COSName.getPDFName("IRT"), all.get(3).getCOSObject());
            all.get(3).getCOSObject().setItem(COSName.getPDFName("IRT"), all.get(2).getCOSObject());
            all.get(0).getCOSObject().setItem(COSName.QUADPOINTS, new COSArray());
            all.get(4).getCOSObject().setItem(COSName.RECT, new PDRectangle(-9000, 90000, 1, 1).getCOSArray());
            all.get(5).getCOSObject().setString(COSName.CONTENTS, "Nowhere");
            all.get(5).getCOSObject().removeItem(COSName.RECT);
            all.get(5).getCOSObject().removeItem(COSName.QUADPOINTS);
            pdf.save(folder.resolve("odd.pdf").toFile());
        }
        assertThat(remarks(Decant.open(folder.resolve("odd.pdf")).document())).extracting(one -> one.comment().remark().text())
                .containsExactlyInAnyOrder("Only for one?\nAsk the board.", "Since when?");
    }

    private static Walk.Stop stop(Document document, String begins) {
        return Walk.of(document).stops().stream().filter(one -> one.paragraph().text().contains(begins)).findFirst().orElseThrow();
    }

    private static Document remarked(Document document, String words, String said) {
        Walk.Stop stop = stop(document, words);
        int at = stop.paragraph().text().indexOf(words);
        return Reviewing.remark(document, new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + words.length())),
                new Comment.Remark("Ingrid Vaage", DAY.toInstant(), said)).after();
    }

    private Receipt publish(Taken taken, Document now) {
        Intake intake = Intake.revised(source, null, new Revision(Intake.original(source, null), taken), Decant.layOut(now));
        return Decant.publish(new Order(intake.pages(PLAIN, Progress.SILENT), PLAIN, Recipe.Passwords.NONE, source), folder.resolve("result.pdf"),
                Progress.SILENT).get(0);
    }
}
