package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Walk;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A line to sign on, as PDFBox reads it from what is published, and as it comes back from other formats. */
class SignatureLineTest {
    @TempDir private Path root;

    private static Document letter(String... paragraphs) {
        List<Paragraph> blocks = new ArrayList<>();
        for (String one : paragraphs) blocks.add(Paragraph.of(one));
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.copyOf(blocks))));
    }

    private static TextSelection at(Document document, int paragraph) {
        return TextSelection.caret(new Place(Walk.of(document).stops().get(paragraph).path(), 0));
    }

    private static List<String> texts(Document document) { return Walk.of(document).stops().stream().map(stop -> stop.paragraph().text()).toList(); }

    @Test void itStandsBehindTheParagraphOrInThePlaceOfAnEmptyOne() {
        Document document = letter("We thank you.", "");
        for (int paragraph : new int[] {0, 1}) {
            TextSelection picked = at(document, paragraph);
            assertThat(SignatureLine.canInsert(document, picked)).isTrue();
            Change change = SignatureLine.insert(document, picked, 400, "Place, date", "Name");
            assertThat(texts(change.after())).isEqualTo(paragraph == 0 ? List.of("We thank you.", "\t\t\t", "Place, date\tName", "")
                    : List.of("We thank you.", "\t\t\t", "Place, date\tName"));
            assertThat(change.after().paragraph(change.picked().head()).text()).isEqualTo("Place, date\tName");
            // What follows the caret is written where one would write it.
            Document written = Typing.type(change.after(), (TextSelection) change.picked(), " of the purser", null).after();
            assertThat(texts(written)).contains("Place, date\tName of the purser");
        }
    }

    @Test void twoLinesWithTheirWordsBelowAreSeen() throws IOException {
        Document document = letter("We thank you.");
        TextSelection picked = at(document, 0);
        double width = Pictures.room(document, picked.head());
        Document now = SignatureLine.insert(document, picked, width, "Place, date", "Name").after();
        List<TextPosition> words = new ArrayList<>();
        List<TextPosition> strokes = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(Decant.publish(now, Recipe.PLAIN, root.resolve("letter.pdf")).file().toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
            new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    if (text.getUnicode().equals("_")) strokes.add(text);
                    else if (text.getFontSizeInPt() < 9.5) words.add(text);
                }
            }.getText(pdf);
        }
        assertThat(words.get(0).getUnicode()).isEqualTo("P");
        TextPosition name = words.stream().filter(letter -> letter.getUnicode().equals("N")).findFirst().orElseThrow();
        assertThat((double) name.getXDirAdj() - words.get(0).getXDirAdj()).isCloseTo(width / 2, within(1.0));
        assertThat(name.getYDirAdj()).isEqualTo(words.get(0).getYDirAdj());
        // Each line begins above its words, has no hole, and ends at its stop.
        int gap = IntStream.range(1, strokes.size()).filter(i -> strokes.get(i).getX() - strokes.get(i - 1).getX() > 20).findFirst().orElseThrow();
        assertThat(strokes.get(0).getX()).isCloseTo(words.get(0).getX(), within(0.1f));
        assertThat(strokes.get(gap).getX()).isCloseTo(name.getX(), within(0.1f));
        double left = words.get(0).getX();
        assertThat(strokes.get(gap - 1).getX() + strokes.get(gap - 1).getWidth() - left).isCloseTo(width * 0.42, within(0.1));
        for (int i = 1; i < strokes.size(); i++)
            if (i != gap) assertThat(strokes.get(i).getX() - strokes.get(i - 1).getX()).isLessThanOrEqualTo(strokes.get(i).getWidth() + 0.01f);
        for (Target target : List.of(Target.DOCX, Target.ODT, Target.DOC, Target.RTF)) {
            Path file = Decant.publish(now, Recipe.PLAIN.as(target), root.resolve("letter." + target.ending())).file();
            assertThat(texts(Decant.open(file).document())).as("%s", target).containsSubsequence("\t\t\t", "Place, date\tName");
        }
    }
}
