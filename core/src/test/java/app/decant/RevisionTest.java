package app.decant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.ListLabels;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Dressing;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.page.Original;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.check.PdfCheck;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.operator.color.SetNonStrokingColor;
import org.apache.pdfbox.contentstream.operator.color.SetNonStrokingColorSpace;
import org.apache.pdfbox.contentstream.operator.color.SetNonStrokingDeviceGrayColor;
import org.apache.pdfbox.contentstream.operator.color.SetNonStrokingDeviceRGBColor;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A PDF that is taken in, revised and published again: only what was reached is another. */
class RevisionTest {
    @TempDir private static Path root;
    private static Path source;
    private static Taken taken;
    private static Document before;

    @BeforeAll static void file() {
        source = root.resolve("handbook.pdf");
        Decant.publish(PassengerHandbook.document(), Recipe.PLAIN, source);
        taken = Decant.open(source);
        before = taken.document();
    }

    private static Document typed(String at, String text) { return typed(before, at, text); }

    private static Document typed(Document before, String at, String text) { return Typing.type(before, find(before, at), text, null).after(); }

    private static TextSelection find(Document before, String at) {
        List<Walk.Stop> stops = Walk.of(before).stops();
        for (int i = stops.size() - 1; i >= 0; i--) {
            Walk.Stop stop = stops.get(i);
            int found = stop.paragraph().text().indexOf(at);
            if (found < 0) continue;
            return new TextSelection(new Place(stop.path(), found), new Place(stop.path(), found + at.length()));
        }
        throw new AssertionError("“" + at + "” is not there");
    }

    private Receipt publish(Document after, String print) {
        Intake intake = Intake.revised(source, null, taken, Decant.layOut(after), print);
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
        Receipt receipt = Decant.publish(new Order(intake.pages(recipe, Progress.SILENT), recipe, Recipe.Passwords.NONE, source), root.resolve("again.pdf"),
                Progress.SILENT).get(0);
        return receipt.with(intake.findings());
    }

    private static List<byte[]> streams(Path file) throws IOException {
        List<byte[]> streams = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            for (PDPage page : pdf.getPages()) {
                try (InputStream in = ((COSStream) page.getCOSObject().getDictionaryObject("Contents")).createRawInputStream()) {
                    streams.add(in.readAllBytes());
                }
            }
        }
        return streams;
    }

    private static String text(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return new PDFTextStripper().getText(pdf);
        }
    }

    @Test void whatNobodyTouchedIsTheVeryFile() {
        Receipt receipt = publish(before, Intake.fingerprint(source));
        assertThat(receipt.file()).hasSameBinaryContentAs(source);
    }

    /** Letters that a page's fonts lack are added to it each time anew: what was looked at before must not be in their way. */
    @Test void whoeverWritesOnIsProvenAgain() throws IOException {
        PagedDocument laid = Decant.layOut(before);
        Original original = new Original("handbook.pdf", Files.readAllBytes(source), null);
        try (Revision revision = new Revision(original, taken)) {
            for (String words : List.of("\u0416", "\u0416\u0429", "\u0416\u0429\u042E and \u042F")) {
                PagedDocument now = Decant.layOut(typed("neighbour", words));
                revision.shown(now);
                Revision.Result result = revision.published(now, Progress.SILENT);
                assertThat(IntStream.range(0, result.pages().count()).anyMatch(page -> result.pages().rewritten(page) != null)).as("%s: %s", words,
                        result.findings()).isTrue();
            }
        }
    }

    @Test void aLongerTextGoesOnInItsOwnPage() throws IOException {
        String more = "which was never declared at the counter, nor at the gate, nor on board, ";
        Receipt receipt = publish(typed("neighbour", more.repeat(2) + "neighbour"), Intake.fingerprint(source));
        assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence))
                .contains("One page was changed in one place, and looks the same everywhere else");
        assertThat(text(receipt.file()).replaceAll("\\s+", " ")).contains(more.repeat(2) + "neighbour").contains("6.1 Late and cancelled sailings");
    }

    @Test void anotherLookReachesItsPageAndThoseThatFollowFromIt() throws IOException {
        Document marked = Dressing.looks(before, find(before, "neighbour"), look -> look.with(TextProperty.UNDERLINE, Underline.DOUBLE)).after();
        Receipt receipt = publish(marked, Intake.fingerprint(source));
        assertThat(receipt.proven()).isTrue();
        List<byte[]> was = streams(source);
        List<byte[]> is = streams(receipt.file());
        int same = 0;
        for (int i = 0; i < Math.min(was.size(), is.size()); i++) if (Arrays.equals(was.get(i), is.get(i))) same++;
        assertThat(same).as("%s", receipt.findings()).isBetween(was.size() / 3, was.size() - 1);
        assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence)).contains(same + " pages are the original's own, byte for byte");
    }

    /** A style is painted in another colour: every heading of it, its number with it, and nothing else; PDFBox tells the colours. */
    @Test void aStyleIsAnotherOnEveryPageThatShowsIt() throws IOException {
        Colour red = new Colour(0xB00020);
        Walk.Stop heading = Walk.of(before).stops().stream().filter(stop -> Cascade.of(before).outlineLevel(stop.paragraph()) == 2).findFirst().orElseThrow();
        Style style = before.styles().style(heading.paragraph().style());
        Document after = before.withStyles(before.styles().with(style.withLook(style.look().with(TextProperty.COLOUR, red))));
        Receipt receipt = publish(after, Intake.fingerprint(source));
        assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence)).as("%s", receipt.findings()).noneMatch(proof -> proof.contains("set anew"))
                .anyMatch(proof -> proof.contains("look the same everywhere else"));
        assertThat(text(receipt.file())).isEqualTo(text(source));
        ListLabels labels = ListLabels.of(before, Cascade.of(before));
        StringBuilder wanted = new StringBuilder();
        for (Walk.Stop stop : Walk.of(before).stops()) {
            if (!style.id().equals(stop.paragraph().style())) continue;
            String label = labels.label(stop.paragraph());
            wanted.append(label == null ? "" : label).append(stop.paragraph().text());
        }
        assertThat(wanted.length()).isPositive();
        assertThat(painted(receipt.file(), red)).isEqualTo(wanted.toString().replaceAll("\\s", ""));
    }

    /** What PDFBox reads in a colour. */
    private static String painted(Path file, Colour colour) throws IOException {
        StringBuilder letters = new StringBuilder();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    try {
                        int rgb = getGraphicsState().getNonStrokingColor().toRGB();
                        if (rgb == colour.rgb() && !text.getUnicode().isBlank()) letters.append(text.getUnicode());
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                }
            };
            stripper.addOperator(new SetNonStrokingDeviceRGBColor(stripper));
            stripper.addOperator(new SetNonStrokingDeviceGrayColor(stripper));
            stripper.addOperator(new SetNonStrokingColorSpace(stripper));
            stripper.addOperator(new SetNonStrokingColor(stripper));
            stripper.getText(pdf);
        }
        return letters.toString();
    }

    /** Where a style gives its paragraphs more room their pages are set anew, and nothing is lost. */
    @Test void aStyleThatGivesRoomSetsItsPagesAnew() throws IOException {
        Walk.Stop heading = Walk.of(before).stops().stream().filter(stop -> Cascade.of(before).outlineLevel(stop.paragraph()) == 2).findFirst().orElseThrow();
        Style style = before.styles().style(heading.paragraph().style());
        Document after = before.withStyles(before.styles().with(style.withLook(style.look().with(ParagraphProperty.SPACE_BEFORE, 40.0))));
        Receipt receipt = publish(after, Intake.fingerprint(source));
        assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence)).anyMatch(proof -> proof.contains("set anew"));
        assertThat(receipt.proven()).isTrue();
    }

    @Test void aWordIsCorrectedInItsOwnStream() throws IOException {
        Receipt receipt = publish(typed("neighbour", "bourneigh"), Intake.fingerprint(source));
        assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence))
                .contains("One page was changed in one place, and looks the same everywhere else");
        String was = text(source);
        int last = was.lastIndexOf("neighbour");
        assertThat(text(receipt.file())).isEqualTo(was.substring(0, last) + "bourneigh" + was.substring(last + 9));
        assertThat(Files.size(receipt.file())).isLessThan(Files.size(source) + 30_000);
    }

    @Test void wordsAreCorrectedInPlaceBesidePagesThatAreSetAnew() throws IOException {
        Document first = typed("parcels", "packets");
        Receipt receipt = publish(Dressing.looks(first, find(first, "neighbour"), look -> look.with(TextProperty.UNDERLINE, Underline.DOUBLE)).after(),
                Intake.fingerprint(source));
        assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence)).as("%s", receipt.findings())
                .contains("One page was changed in one place, and looks the same everywhere else").anyMatch(proof -> proof.contains("set anew"));
        assertThat(text(receipt.file())).contains("small packets");
    }

    @Test void aWordStaysInPlaceThoughParagraphsComeAndGoElsewhere() throws IOException {
        Document first = typed("parcels", "packets");
        TextSelection end = find(first, "for the purpose.");
        Document two = Typing.breakParagraph(first, TextSelection.caret(end.end())).after();
        Document more = Typing.type(two, TextSelection.caret(new Place(end.head().path().sibling(end.head().path().last() + 1), 0)), "Nobody minds.", null)
                .after();
        Receipt inPlace = publish(more, Intake.fingerprint(source));
        assertThat(inPlace.proofs().stream().map(PdfCheck.Proof::sentence)).as("%s", inPlace.findings())
                .contains("2 pages were changed in 2 places, and look the same everywhere else");
        assertThat(text(inPlace.file())).contains("small packets").contains("Nobody minds.");
        // Larger than what stands around it, it can't be put among that.
        Receipt receipt = publish(Dressing.looks(more, find(more, "Nobody minds."), look -> look.with(TextProperty.UNDERLINE, Underline.DOUBLE)).after(),
                Intake.fingerprint(source));
        assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence)).as("%s", receipt.findings())
                .contains("One page was changed in one place, and looks the same everywhere else").anyMatch(proof -> proof.contains("set anew"));
        assertThat(text(receipt.file())).contains("small packets").contains("Nobody minds.");
    }

    private static Document inFrame(Document before, Section.FramePlace place, String word, String other) {
        Story.Frame frame = new Story.Frame(0, place);
        Walk.Stop stop = Walk.of(before, frame).stops().get(0);
        int at = stop.paragraph().text().indexOf(word);
        TextSelection found = new TextSelection(new Place(frame, stop.path(), at), new Place(frame, stop.path(), at + word.length()));
        return Typing.type(before, found, other, null).after();
    }

    /** A head and a foot say something else: on each page that shows them, in its own stream; nothing else moves. PDFBox reads the pages. */
    @Test void headsAreCorrectedOnEveryPageThatShowsThem() throws IOException {
        Document after = inFrame(inFrame(before, Section.FramePlace.FOOTER, "November", "December"), Section.FramePlace.HEADER, "Passenger", "Travellers'");
        Receipt receipt = publish(after, Intake.fingerprint(source));
        assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence)).as("%s", receipt.findings())
                .contains("12 pages were changed in 24 places, and look the same everywhere else");
        String was = text(source);
        assertThat(was.split("Valid from 1 November 2026 Page", -1)).as("the same is said once in the text").hasSize(13);
        assertThat(text(receipt.file())).isEqualTo(was.replace("Valid from 1 November 2026 Page", "Valid from 1 December 2026 Page")
                .replace("Ostrey Sound Ferries \u00B7 Passenger handbook", "Ostrey Sound Ferries \u00B7 Travellers' handbook"));
    }

    /** Where it may be written on: a click on the foot of a page that is the file's own is in the footer, before and after its word became longer. */
    @Test void headsAreFoundAndWrittenOnWhereTheFileShowsThem() throws IOException {
        Document after = inFrame(before, Section.FramePlace.FOOTER, "November", "the eighth of December");
        try (Revision revision = new Revision(Intake.original(source, null), taken)) {
            for (Document document : List.of(before, after)) {
                PagedDocument shown = revision.shown(Decant.layOut(document));
                assertThat(shown.page(4).ground()).isNotNull();
                Place first = shown.placeAt(4, 60, 841.9 - 42);
                assertThat(first.story()).isEqualTo(new Story.Frame(0, Section.FramePlace.FOOTER));
                String text = document.paragraph(first).text();
                Place year = first.at(text.indexOf("2026"));
                PagedDocument.Caret caret = shown.caret(year, 4);
                assertThat(caret.page()).isEqualTo(4);
                assertThat(shown.placeAt(4, caret.x() + 1, caret.top() + caret.height() / 2)).isEqualTo(year);
                // The number of the page stays at the right edge.
                assertThat(shown.caret(first.at(text.length()), 4).x()).isCloseTo(595.3 - 70.85, within(6.0));
            }
        }
    }

    @Test void theDocumentItWasMadeFromIsFoundInside() throws IOException {
        Path document = root.resolve("notes/handbook.docx");
        Decant.publish(PassengerHandbook.document(), Recipe.PLAIN.to(Target.of("docx")), document);
        Recipe attaching = Recipe.PLAIN.attaching(true);
        Path pdf = Decant.publish(new Order(new Intake(document, null).pages(attaching, Progress.SILENT), attaching, Recipe.Passwords.NONE, document),
                root.resolve("with its source.pdf"), Progress.SILENT).get(0).file();
        assertThat(Decant.sourceInside(pdf, null)).hasValueSatisfying(inside -> {
            assertThat(inside.name()).isEqualTo("handbook.docx");
            assertThat(inside.bytes()).isEqualTo(bytes(document));
        });
        assertThat(Decant.sourceInside(source, null)).isEmpty();
        assertThat(Decant.sourceInside(document, null)).isEmpty();
    }

    private static byte[] bytes(Path file) {
        try {
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test void bookmarksAreMadeOfHeadingsWhereTheFileHasNone() throws IOException {
        Path bare = root.resolve("bare.pdf");
        Recipe without = Recipe.PLAIN.with(PdfChoices.Bookmarks.NONE);
        Decant.publish(new Order(new Intake(source, null).pages(without, Progress.SILENT), without), bare, Progress.SILENT);
        Recipe recipe = Recipe.PLAIN.with(new PdfChoices.Bookmarks(1, 2, 1));
        Receipt receipt = Decant.publish(new Order(new Intake(bare, null).pages(recipe, Progress.SILENT), recipe), root.resolve("marked.pdf"), Progress.SILENT)
                .get(0);
        assertThat(streams(receipt.file())).usingElementComparator(Arrays::compare).isEqualTo(streams(source));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile()); PDDocument was = Loader.loadPDF(source.toFile())) {
            List<String> titles = new ArrayList<>();
            List<String> wished = new ArrayList<>();
            pdf.getDocumentCatalog().getDocumentOutline().children().forEach(item -> titles.add(item.getTitle()));
            was.getDocumentCatalog().getDocumentOutline().children().forEach(item -> wished.add(item.getTitle()));
            assertThat(titles).isEqualTo(wished);
        }
    }

    @Test void aFileThatWasChangedMeanwhileIsNotMixedWithWhatWasSeen() throws IOException {
        byte[] bytes = Files.readAllBytes(source);
        String print = Intake.fingerprint(source);
        try {
            Files.write(source, new byte[] {'\n'}, StandardOpenOption.APPEND);
            Receipt receipt = publish(typed("neighbour", "bourneigh"), print);
            assertThat(receipt.findings().stream().map(Finding::what)).anyMatch(what -> what.contains("is not there as it was any more"));
            assertThat(receipt.proofs().stream().map(PdfCheck.Proof::sentence)).noneMatch(sentence -> sentence.contains("byte for byte"));
        } finally {
            Files.write(source, bytes);
        }
    }
}
