package app.decant;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Section.FramePlace;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Headers and footers of a PDF that stays itself, of every kind that books have: corrected on just the pages that show them. PDFBox reads them again. */
class HeadEditsTest {
    @TempDir Path root;

    /** The handbook with heads of its own on even and odd pages, and a foot with a number between two signs. */
    private Path book() {
        Document plain = PassengerHandbook.document();
        Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
        frames.put(FramePlace.HEADER, List.of(Paragraph.of("Ostrey and its neighbours")));
        frames.put(FramePlace.EVEN_HEADER, List.of(Paragraph.of("Passengers, their luggage")));
        for (FramePlace foot : List.of(FramePlace.FOOTER, FramePlace.EVEN_FOOTER))
            frames.put(foot, List.of(Paragraph.of("").withInlines(List.of(new Inline.Text("Sheet ", Look.PLAIN),
                    new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "1", Look.PLAIN), new Inline.Text(" of the winter edition", Look.PLAIN)))));
        List<Section> sections = plain.sections().stream().map(section -> section == plain.sections().get(0)
                ? new Section(section.start(), section.page(), section.columns(), section.numbering(), frames, false, section.blocks()) : section).toList();
        Document document = new Document(plain.facts(), plain.styles(), plain.numbering(), sections, true, plain.tabWidth(), plain.kept());
        return Decant.publish(document, Recipe.PLAIN, root.resolve("book.pdf")).file();
    }

    /** What the pages of a file say, one after the other. */
    private static List<String> pages(Path file) throws IOException {
        List<String> pages = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            for (int page = 1; page <= pdf.getNumberOfPages(); page++) {
                stripper.setStartPage(page);
                stripper.setEndPage(page);
                pages.add(stripper.getText(pdf));
            }
        }
        return pages;
    }

    private Receipt corrected(Path source, Taken taken, FramePlace place, String word, String other) {
        Document before = taken.document();
        for (int i = 0; i < before.sections().size(); i++) {
            if (!before.sections().get(i).frames().containsKey(place)) continue;
            Story.Frame frame = new Story.Frame(i, place);
            for (Walk.Stop stop : Walk.of(before, frame).stops()) {
                int at = stop.paragraph().text().indexOf(word);
                if (at < 0) continue;
                TextSelection found = new TextSelection(new Place(frame, stop.path(), at), new Place(frame, stop.path(), at + word.length()));
                Document now = Typing.type(before, found, other, null).after();
                Intake intake = Intake.revised(source, null, taken, Decant.layOut(now), Intake.fingerprint(source));
                Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
                return Decant.publish(new Order(intake.pages(recipe, Progress.SILENT), recipe, Recipe.Passwords.NONE, source), root.resolve("again.pdf"),
                        Progress.SILENT).get(0);
            }
        }
        throw new AssertionError("No " + place + " says “" + word + "”");
    }

    @Test void evenPagesAreCorrectedAndOddOnesAreTheVeryOnes() throws IOException {
        Path source = book();
        Taken taken = Decant.open(source);
        assertThat(taken.document().evenAndOddFrames()).isTrue();
        Receipt receipt = corrected(source, taken, FramePlace.EVEN_HEADER, "luggage", "bundles");
        int pages = receipt.pages();
        assertThat(receipt.proofs()).extracting(proof -> proof.sentence()).contains((pages + 1) / 2 + " pages are the original's own, byte for byte",
                pages / 2 + " pages were changed in " + pages / 2 + " places, and look the same everywhere else");
        assertThat(pages(receipt.file())).isEqualTo(pages(source).stream().map(page -> page.replace("their luggage", "their bundles")).toList());
    }

    /** Words behind the number of a page, which has as many digits as it needs, are found on each page; the number stays. */
    @Test void wordsBesideTheNumberOfThePageAreCorrected() throws IOException {
        Path source = book();
        Taken taken = Decant.open(source);
        Receipt receipt = corrected(source, taken, FramePlace.FOOTER, "winter", "summer");
        int changed = 0;
        List<String> before = pages(source);
        List<String> now = pages(receipt.file());
        for (int page = 1; page <= receipt.pages(); page++) {
            String was = before.get(page - 1);
            String is = now.get(page - 1);
            assertThat(was).contains("Sheet " + page + " of the winter edition");
            if (!is.equals(was)) changed++;
            assertThat(is).isIn(was, was.replace("winter edition", "summer edition"));
        }
        assertThat(changed).as("odd pages, or all where both feet are one").isGreaterThanOrEqualTo(receipt.pages() / 2);
        assertThat(receipt.proven()).isTrue();
    }

    /** The box on every sheet of a procedure: its name, its issue, its page of so many. */
    private Path procedure() {
        Document plain = PassengerHandbook.document();
        Border line = new Border(Border.Line.SINGLE, 0.5, Colour.BLACK, 0);
        Look boxed = Look.of(TableProperty.BORDERS, new Borders(line, line, line, line, null, null));
        Inline page = new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "1", Look.PLAIN);
        Paragraph counted = Paragraph.of("").withInlines(List.of(new Inline.Text("Sheet ", Look.PLAIN), page));
        List<Paragraph> says = List.of(Paragraph.of("Ferry desk"), Paragraph.of("Boarding, issue 3"), counted);
        List<Table.Cell> cells = new ArrayList<>();
        for (Paragraph one : says) cells.add(new Table.Cell(cells.size(), 1, 1, boxed, List.of(one)));
        Table table = new Table(Look.PLAIN, List.of(140.0, 190.0, 110.0), List.of(new Table.Row(Look.PLAIN, cells)));
        Map<FramePlace, List<Block>> frames = Map.of(FramePlace.HEADER, List.of(table, Paragraph.of("")));
        List<Section> sections = plain.sections().stream().map(section -> section.withFrames(section == plain.sections().get(0) ? frames : Map.of())).toList();
        return Decant.publish(plain.withSections(sections), Recipe.PLAIN, root.resolve("procedure.pdf")).file();
    }

    /** A table that every page has is a header, and its cells are corrected on every page where they stand. */
    @Test void theBoxOnEverySheetIsOneHeaderAndIsCorrectedOnAll() throws IOException {
        Path source = procedure();
        Taken taken = Decant.open(source);
        List<Section> sections = taken.document().sections();
        Table head = (Table) sections.get(0).frames().get(FramePlace.HEADER).get(0);
        assertThat(sections.subList(1, sections.size())).noneMatch(section -> section.frames().containsKey(FramePlace.HEADER));
        assertThat(head.rows()).hasSize(1);
        assertThat(head.rows().get(0).cells()).extracting(cell -> ((Paragraph) cell.blocks().get(0)).text())
                .containsExactly("Ferry desk", "Boarding, issue 3", "Sheet \uFFFC");
        assertThat(Walk.of(taken.document()).stops()).extracting(stop -> stop.paragraph().text()).noneMatch(text -> text.contains("Boarding, issue"));
        Receipt receipt = corrected(source, taken, FramePlace.HEADER, "issue 3", "issue 4");
        int pages = receipt.pages() - 1;
        assertThat(receipt.proofs()).extracting(proof -> proof.sentence()).as("the first page has a title instead")
                .contains(pages + " pages were changed in " + pages + " places, and look the same everywhere else");
        assertThat(pages(receipt.file())).isEqualTo(pages(source).stream().map(page -> page.replace("issue 3", "issue 4")).toList());
    }
}
