package app.decant;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Dressing;
import app.decant.edit.Lists;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Pages;
import app.decant.pdf.HandmadePage;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pages that can't be corrected where they stand are set anew by themselves; no letter is lost or doubled between them and the others. PDFBox reads them. */
class PagesAnewTest {
    /** Lines of a page; paragraphs are of seven, so that they go on from page to page. */
    private static final int LINES = 40;
    private static final int OF_ONE = 7;

    @TempDir private Path root;

    private record Made(Pages pages, Receipt receipt, List<String> findings) {
        /** The pages of the file that are set anew. */
        List<Integer> anew() { return IntStream.range(0, pages.count()).filter(page -> !pages.isOwn(page)).boxed().toList(); }
    }

    /**
     * Pages of a column of text, with a head and the number of the page at its foot.
     *
     * @param first the number of the first page
     */
    private Path file(int pages, int first) throws IOException {
        Path file = root.resolve("full.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDResources resources = new PDResources();
            resources.put(COSName.getPDFName("F"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            int line = 0;
            for (int page = 0; page < pages; page++) {
                StringBuilder content = new StringBuilder("BT /F 8 Tf 72 810 Td (Ostrey Sound Ferries) Tj ET\nBT /F 8 Tf 290 40 Td (");
                content.append(page + first).append(") Tj ET\n");
                for (int i = 0; i < LINES; i++, line++)
                    content.append("BT /F 11 Tf 72 ").append(770 - 15 * i).append(" Td (").append(words(line / OF_ONE, line % OF_ONE)).append(") Tj ET\n");
                HandmadePage.add(pdf, resources, content.toString());
            }
            pdf.save(file.toFile());
        }
        return file;
    }

    private static String words(int paragraph, int line) {
        if (line == OF_ONE - 1) return "and that is the last line of " + paragraph + ".";
        return (line == 0 ? "Paragraph " + paragraph + " begins with this line, which fills its column of text quite,"
                : "it goes on in line " + line + " of " + paragraph + ", which fills its column as the others do, and");
    }

    /** What each page says, without the gaps between words. */
    private static List<String> text(Path file) throws IOException {
        List<String> pages = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setSortByPosition(true);
            for (int page = 1; page <= pdf.getNumberOfPages(); page++) {
                stripper.setStartPage(page);
                stripper.setEndPage(page);
                pages.add(stripper.getText(pdf).replaceAll("\\s", ""));
            }
        }
        return pages;
    }

    private Made publish(Path source, Taken taken, Document after) {
        Intake intake = Intake.revised(source, null, taken, Decant.layOut(after), Intake.fingerprint(source));
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
        Pages pages = intake.pages(recipe, Progress.SILENT);
        Receipt receipt = Decant.publish(new Order(pages, recipe, Recipe.Passwords.NONE, source), root.resolve("again.pdf"), Progress.SILENT).get(0);
        List<String> findings = new ArrayList<>(intake.findings().stream().map(Finding::what).toList());
        receipt.findings().forEach(finding -> findings.add(finding.what()));
        return new Made(pages, receipt, findings);
    }

    /** What can't be put in place: a double line under words. */
    private static Document underlined(Document before, Walk.Stop stop, int from, int to) {
        return Dressing.looks(before, new TextSelection(new Place(stop.path(), from), new Place(stop.path(), to)),
                look -> look.with(TextProperty.UNDERLINE, Underline.DOUBLE)).after();
    }

    private static Walk.Stop stop(Document document, String begins) {
        return Walk.of(document).stops().stream().filter(one -> one.paragraph().text().startsWith(begins)).findFirst().orElseThrow();
    }

    @Test void aParagraphIsCutWhereItsPageEnds() throws IOException {
        // It is part of a larger work: what it counts is not what readers of files do.
        Path source = file(5, 7);
        Taken taken = Decant.open(source);
        Walk.Stop over = stop(taken.document(), "Paragraph 11 begins");
        assertThat(taken.provenance().of(over.paragraph()).stream().map(Provenance.Line::page).distinct()).as("it goes over").containsExactly(1, 2);
        int end = over.paragraph().length();
        Made made = publish(source, taken, underlined(taken.document(), over, end - 8, end - 1));
        assertThat(made.anew()).as("%s", made.findings()).containsExactly(2);
        assertThat(text(made.receipt().file())).isEqualTo(text(source));
        assertThat(made.receipt().proven()).isTrue();
        // The other way round: its beginning is set anew, its end stays.
        made = publish(source, taken, underlined(taken.document(), over, 0, 9));
        assertThat(made.anew()).as("%s", made.findings()).containsExactly(1);
        assertThat(text(made.receipt().file())).isEqualTo(text(source));
    }

    /** Pages set anew do not drag others with them, whatever is edited there: what the others say is what they said. */
    @Test void whateverIsMarkedOnlyItsPagesAreSetAnew() throws IOException {
        Path source = root.resolve("handbook.pdf");
        Decant.publish(PassengerHandbook.document(), Recipe.PLAIN, source);
        Taken taken = Decant.open(source);
        List<String> was = text(source);
        List<Walk.Stop> stops = Walk.of(taken.document()).stops().stream().filter(stop -> stop.paragraph().text().matches("\\p{L}{4}.*")
                && !taken.provenance().of(stop.paragraph()).isEmpty()).toList();
        for (int i = 3; i < stops.size(); i += stops.size() / 7) {
            Walk.Stop stop = stops.get(i);
            Made made = publish(source, taken, underlined(taken.document(), stop, 0, 4));
            Set<Integer> its = taken.provenance().of(stop.paragraph()).stream().map(Provenance.Line::page).collect(Collectors.toCollection(TreeSet::new));
            assertThat(its).as("%s: %s", stop.paragraph().text(), made.findings()).containsAll(made.anew());
            List<String> is = text(made.receipt().file());
            assertThat(is).hasSameSizeAs(was);
            for (int page = 0; page < was.size(); page++) {
                if (made.anew().contains(page)) assertThat(sorted(is.get(page))).as("%s", stop.paragraph().text()).isEqualTo(sorted(was.get(page)));
                else assertThat(is.get(page)).isEqualTo(was.get(page));
            }
            assertThat(made.receipt().proven()).isTrue();
        }
    }

    /** Letters in no order: columns are read otherwise by those who don't know them. */
    private static String sorted(String text) { return text.chars().sorted().mapToObj(Character::toString).collect(Collectors.joining()); }

    /** What has no room goes onto a page that is put in behind, which is counted so; the pages after it stay. */
    @Test void whatHasNoRoomGoesBehindItsPage() throws IOException {
        Path source = file(3, 1);
        Taken taken = Decant.open(source);
        Walk.Stop stop = stop(taken.document(), "Paragraph 7 begins");
        Document marked = underlined(taken.document(), stop, 0, 9);
        Document after = Typing.type(marked, TextSelection.caret(new Place(stop.path(), 9)), " which was written twice".repeat(60), null).after();
        Made made = publish(source, taken, after);
        assertThat(made.anew()).as("%s", made.findings()).containsExactly(1, 2);
        assertThat(made.pages().labels()).containsExactly("1", "2", "2a", "3");
        assertThat(made.findings()).contains("What was a page is 2 now: set anew, the text takes more room.");
        List<String> was = text(source);
        List<String> is = text(made.receipt().file());
        assertThat(is).hasSize(4);
        assertThat(is.get(0)).isEqualTo(was.get(0));
        assertThat(is.get(3)).isEqualTo(was.get(2));
        assertThat(is.get(2)).startsWith("OstreySoundFerries").endsWith("2a");
        assertThat((is.get(1) + is.get(2)).replace("OstreySoundFerries", "").split("whichwaswrittentwice", -1)).hasSize(61);
        // A little more finds room where the paragraphs stand closer, or somewhat farther down.
        Document little = Typing.type(marked, TextSelection.caret(new Place(stop.path(), 9)), " which was written twice".repeat(6), null).after();
        assertThat(publish(source, taken, little).pages().count()).isEqualTo(3);
    }

    /** Whoever writes on sees every letter where it will be, and can put the caret there: on pages that stay as well as on those that are set anew. */
    @Test void everyLetterStandsOnOnePageWhileSomebodyWrites() throws IOException {
        Path source = file(5, 1);
        Taken taken = Decant.open(source);
        Walk.Stop over = stop(taken.document(), "Paragraph 11 begins");
        int end = over.paragraph().length();
        Document marked = underlined(taken.document(), over, end - 8, end - 1);
        Document after = Typing.type(marked, TextSelection.caret(new Place(over.path(), end - 1)), " indeed", null).after();
        try (Revision revision = new Revision(Intake.original(source, null), taken)) {
            PagedDocument shown = revision.shown(Decant.layOut(after));
            assertThat(shown.count()).isEqualTo(5);
            assertThat(IntStream.range(0, 5).filter(page -> shown.page(page).ground() == null)).containsExactly(2);
            Paragraph now = after.paragraph(over.path());
            int[] times = new int[now.length()];
            for (int page = 0; page < 5; page++)
                for (Item.LineItem line : shown.page(page).lines())
                    if (TextPassage.paragraph(line) == now) for (int at = line.line().start(); at < line.line().end(); at++) times[at]++;
            assertThat(times).containsOnly(1);
            assertThat(shown.spot(new Place(over.path(), 3)).page()).isEqualTo(1);
            assertThat(shown.spot(new Place(over.path(), now.length())).page()).isEqualTo(2);
            assertThat(now.inlines()).anyMatch(inline -> inline instanceof Inline.Text text && text.text().contains("indeed"));
        }
    }

    /** What changes nothing that pages show, or something on one of them only, leaves the others the file's own. */
    @Test void onlyWhatShowsItIsSetAnew() throws IOException {
        Path source = root.resolve("handbook.pdf");
        Decant.publish(PassengerHandbook.document(), Recipe.PLAIN, source);
        Taken taken = Decant.open(source);
        Document before = taken.document();
        assertThat(publish(source, taken, before.withFacts(before.facts().withTitle("Another title"))).anew()).as("facts").isEmpty();
        try (Revision revision = new Revision(Intake.original(source, null), taken)) {
            Walk.Stop heading = stop(before, "Things go wrong");
            PagedDocument shown = revision.shown(Decant.layOut(underlined(before, heading, 0, 6)));
            assertThat(shown.pages()).anyMatch(page -> page.ground() == null);
            assertThat(shown.pages()).as("pictures of pages that stay can be picked")
                    .anyMatch(page -> page.ground() != null && page.text().stream().anyMatch(item -> item instanceof Item.PictureItem));
        }
        Walk.Stop stop = Walk.of(before).stops().stream().filter(one -> one.paragraph().text().contains("neighbour")).reduce((one, other) -> other)
                .orElseThrow();
        Document listed = Lists.toggle(before, TextSelection.caret(new Place(stop.path(), 0)), Lists.Kind.BULLETS).after();
        Made made = publish(source, taken, listed);
        assertThat(made.anew()).as("%s", made.findings()).containsExactlyElementsOf(taken.provenance().of(stop.paragraph()).stream()
                .map(Provenance.Line::page).distinct().toList());
        assertThat(made.receipt().proven()).isTrue();
    }

    /** What is written in the text into a control that stands for a field is filled into that field, behind the file's own bytes. */
    @Test void wordsInAControlAreFilledIn() throws IOException {
        Look look = Look.of(TextProperty.FORM, new FormField(7, FormField.Kind.TEXT, true, "Owner", List.of(), null));
        Document empty = Document.empty();
        Document form = empty.withSections(List.of(empty.sections().get(0).withBlocks(List.of(new Paragraph(null, Look.PLAIN, Look.PLAIN,
                List.of(new Inline.Text("Owner: ", Look.PLAIN), new Inline.Text(FormField.EMPTY, look))), Paragraph.of("Found things are kept.")))));
        Path source = root.resolve("request.pdf");
        Decant.publish(form, Recipe.PLAIN.with(Recipe.PLAIN.style().fillable(true)), source);
        Taken taken = Decant.open(source);
        Walk.Stop stop = stop(taken.document(), "Owner");
        Document written = Typing.type(taken.document(), new TextSelection(new Place(stop.path(), 7), new Place(stop.path(), stop.paragraph().length())),
                "Marit Holm", null).after();
        Made made = publish(source, taken, written);
        assertThat(made.anew()).as("%s", made.findings()).isEmpty();
        byte[] was = Files.readAllBytes(source);
        assertThat(Arrays.mismatch(was, Files.readAllBytes(made.receipt().file()))).isEqualTo(was.length);
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getAcroForm().getField("Owner").getValueAsString()).isEqualTo("Marit Holm");
        }
        // Words beside it are corrected where they stand.
        Document both = Typing.type(written, new TextSelection(new Place(stop.path(), 0), new Place(stop.path(), 5)), "Keeper", null).after();
        assertThat(text(publish(source, taken, both).receipt().file()).get(0)).contains("Keeper").contains("Foundthingsarekept.");
    }
}
