package app.decant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Change;
import app.decant.edit.Dressing;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.format.Taken;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.Pages.Caret;
import app.decant.page.Pages;
import app.decant.pdf.keep.GroundPainter;
import app.decant.picture.PixelRows;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A PDF on the desk: its pages are the file's own, and carets stand where PDFBox says that its letters are. */
class GroundTest {
    @TempDir private static Path root;
    private static Path source;
    private static Taken taken;
    private static Layout layout;
    private static PagedDocument laid;

    @BeforeAll static void file() {
        source = root.resolve("handbook.pdf");
        Decant.publish(PassengerHandbook.document(), Recipe.PLAIN, source);
        taken = Decant.open(source);
        layout = new Layout(FontCatalogue.ofThisMachine());
        laid = layout.next(taken.document());
    }

    private static Revision revision() throws IOException { return new Revision(new Original("handbook.pdf", Files.readAllBytes(source), null), taken); }

    private static TextSelection find(Document document, String words) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int at = stop.paragraph().text().indexOf(words);
            if (at >= 0) return new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + words.length()));
        }
        throw new AssertionError("“" + words + "” is not there");
    }

    private static Document typed(String at, String text) { return Typing.type(taken.document(), find(taken.document(), at), text, null).after(); }

    /** The letters of the last place where words stand on a page of a file, as PDFBox reads them. */
    private static List<TextPosition> positions(Path file, int page, String words) throws IOException {
        List<TextPosition> all = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void writeString(String text, List<TextPosition> positions) {
                    int from = text.indexOf(words);
                    if (from >= 0 && positions.size() == text.length()) all.addAll(positions.subList(from, from + words.length()));
                }
            };
            stripper.setStartPage(page + 1);
            stripper.setEndPage(page + 1);
            stripper.getText(pdf);
        }
        return all;
    }

    private static void standsThere(PagedDocument shown, Path file, String words) throws IOException {
        TextSelection found = find(shown.document(), words);
        Caret start = shown.caret(found.start());
        Caret end = shown.caret(found.end());
        List<TextPosition> letters = positions(file, start.page(), words);
        assertThat(letters).as("%s on page %d", words, start.page()).hasSize(words.length());
        assertThat(start.x()).as(words).isCloseTo(letters.get(0).getXDirAdj(), within(0.1));
        TextPosition last = letters.get(letters.size() - 1);
        assertThat(end.x()).isCloseTo(last.getXDirAdj() + last.getWidthDirAdj(), within(0.1));
        assertThat(letters.get(0).getYDirAdj()).isBetween((float) start.top(), (float) (start.top() + start.height()));
        assertThat(shown.placeAt(start.page(), start.x() + 0.2, start.top() + start.height() / 2)).isEqualTo(found.start());
    }

    @Test void untouchedPagesAreTheFilesOwn() throws IOException {
        try (Revision revision = revision()) {
            PagedDocument shown = revision.shown(laid);
            assertThat(shown.pages()).allMatch(page -> page.ground() != null && page.ground().rewritten() == null);
            assertThat(shown.pages()).extracting(page -> page.ground().page()).isSorted().doesNotHaveDuplicates();
            for (String words : List.of("Passenger", "neighbour", "parcels")) standsThere(shown, source, words);
        }
    }

    @Test void everyLetterHasAPlaceOnItsPage() throws IOException {
        try (Revision revision = revision()) {
            PagedDocument shown = revision.shown(laid);
            for (Walk.Stop stop : shown.walk().stops()) {
                if (stop.paragraph().text().isBlank()) continue;
                int before = 0;
                for (int offset = 0; offset <= stop.paragraph().length(); offset++) {
                    Caret caret = shown.caret(new Place(stop.path(), offset));
                    assertThat(caret).as("%s at %d", stop.paragraph().text(), offset).isNotNull();
                    Page page = shown.page(caret.page());
                    assertThat(caret.page()).isGreaterThanOrEqualTo(before);
                    assertThat(caret.x()).isBetween(0.0, page.width());
                    assertThat(caret.top()).isBetween(0.0, page.height());
                    before = caret.page();
                }
            }
        }
    }

    @Test void aCorrectedWordStandsWhereItWillBePublished() throws IOException {
        try (Revision revision = revision()) {
            PagedDocument now = layout.next(typed("neighbour", "harbour boat"));
            PagedDocument shown = revision.shown(now);
            List<Page> changed = shown.pages().stream().filter(page -> page.ground() == null || page.ground().rewritten() != null).toList();
            assertThat(changed).singleElement().satisfies(page -> assertThat(page.ground()).isNotNull());
            Path again = root.resolve("again.pdf");
            Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
            Decant.publish(new Order(revision.published(now, Progress.SILENT).pages(), recipe, Recipe.Passwords.NONE, source), again, Progress.SILENT);
            standsThere(shown, again, "harbour boat");
            // What stands after it on its line, too.
            Place end = find(now.document(), "harbour boat").end();
            String rest = now.document().paragraph(end.path()).text().substring(end.offset());
            standsThere(shown, again, rest.split("[ .,]+")[1]);
        }
    }

    @Test void aPassageThatGrewStandsWhereItWillBePublished() throws IOException {
        try (Revision revision = revision()) {
            PagedDocument now = layout.next(typed("neighbour",
                    "neighbour, which was never declared at the counter, nor at the gate, nor on board, nor anywhere else,"));
            PagedDocument shown = revision.shown(now);
            Path again = root.resolve("grown.pdf");
            Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
            Pages pages = revision.published(now, Progress.SILENT).pages();
            Decant.publish(new Order(pages, recipe, Recipe.Passwords.NONE, source), again, Progress.SILENT);
            for (String words : List.of("declared at", "yellow pad", "answerable up to", "bring a friend")) standsThere(shown, again, words);
        }
    }

    /** Another paragraph, first without words, then with some: on the file's own page, with a caret where its letters will be published. */
    @Test void aParagraphThatIsPutInStandsWhereItWillBePublished() throws IOException {
        try (Revision revision = revision()) {
            Place end = find(taken.document(), "Nobody stays on the car deck during the crossing.").end();
            Change parted = Typing.breakParagraph(taken.document(), TextSelection.caret(end));
            Place begins = parted.picked().head();
            PagedDocument empty = revision.shown(layout.next(parted.after()));
            assertThat(empty.pages()).allMatch(page -> page.ground() != null);
            Caret caret = empty.caret(begins);
            Caret above = empty.caret(end);
            assertThat(caret.page()).isEqualTo(above.page());
            assertThat(caret.x()).isCloseTo(70.85, within(0.5));
            assertThat(caret.top() - above.top()).isBetween(12.0, 30.0);
            Change written = Typing.type(parted.after(), parted.picked(), "Dogs stay with their cars, if they must.", null);
            PagedDocument now = layout.next(written.after());
            PagedDocument shown = revision.shown(now);
            assertThat(shown.caret(begins)).satisfies(there -> assertThat(there.top()).isCloseTo(caret.top(), within(0.1)));
            Path again = root.resolve("parted.pdf");
            Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
            Pages pages = revision.published(now, Progress.SILENT).pages();
            Decant.publish(new Order(pages, recipe, Recipe.Passwords.NONE, source), again, Progress.SILENT);
            for (String words : List.of("Dogs stay", "they must", "car deck during", "hand signs")) standsThere(shown, again, words);
        }
    }

    @Test void aParagraphThatLostItsWordsKeepsAPlaceForTheCaret() throws IOException {
        try (Revision revision = revision()) {
            TextSelection word = find(taken.document(), "Things go wrong.");
            TextSelection all = new TextSelection(new Place(word.start().path(), 0), new Place(word.start().path(),
                    taken.document().paragraph(word.start().path()).length()));
            PagedDocument now = layout.next(Typing.type(taken.document(), all, "", null).after());
            PagedDocument shown = revision.shown(now);
            assertThat(shown.pages()).as("%s", revision.published(now, Progress.SILENT).findings()).allMatch(page -> page.ground() != null);
            Caret before = revision.shown(laid).caret(word.start());
            Caret caret = shown.caret(word.start());
            assertThat(caret.page()).isEqualTo(before.page());
            assertThat(caret.x()).isCloseTo(before.x(), within(0.1));
            assertThat(caret.top()).isCloseTo(before.top(), within(0.1));
        }
    }

    @Test void pagesThatStayAreTheVeryOnesSoThatNobodyPaintsThemAgain() throws IOException {
        try (Revision revision = revision()) {
            PagedDocument first = revision.shown(laid);
            PagedDocument then = revision.shown(layout.next(typed("neighbour", "bourneigh")));
            int other = 0;
            for (int i = 0; i < first.count(); i++) if (first.page(i) != then.page(i)) other++;
            assertThat(other).isEqualTo(1);
        }
    }

    @Test void pagesThatHaveToBeSetAnewAreShownAsTheyWillBe() throws IOException {
        try (Revision revision = revision()) {
            Document marked = Dressing.looks(taken.document(), find(taken.document(), "neighbour"), look ->
                    look.with(TextProperty.UNDERLINE, Underline.DOUBLE)).after();
            PagedDocument now = layout.next(marked);
            PagedDocument shown = revision.shown(now);
            Pages published = revision.published(now, Progress.SILENT).pages();
            assertThat(shown.count()).isEqualTo(published.count());
            for (int i = 0; i < shown.count(); i++) {
                assertThat(shown.page(i).ground() != null).isEqualTo(published.isOwn(i));
                if (shown.page(i).ground() == null) assertThat(shown.page(i) == published.page(i)).as("page %d", i).isTrue();
            }
            assertThat(shown.pages()).anyMatch(page -> page.ground() == null).anyMatch(page -> page.ground() != null);
        }
    }

    @Test void whatIsPaintedAfterALetterIsWhatIsPaintedAnew() throws IOException {
        writes(new Original("handbook.pdf", Files.readAllBytes(source), null), taken);
    }

    /** Large pictures are painted from what they were scaled to before; the source is the renderer that has no part in that. */
    @Test void photographsUnderWordsArePaintedAsThoughNothingWereRemembered() throws IOException {
        Path file = root.resolve("photographs.pdf");
        try (PDDocument pdf = Loader.loadPDF(source.toFile())) {
            PDPage page = pdf.getPage(page(laid));
            PDImageXObject plain = LosslessFactory.createFromImage(pdf, photograph(BufferedImage.TYPE_INT_RGB));
            PDImageXObject sheer = LosslessFactory.createFromImage(pdf, photograph(BufferedImage.TYPE_INT_ARGB));
            try (PDPageContentStream under = new PDPageContentStream(pdf, page, AppendMode.PREPEND, true, true)) {
                under.drawImage(plain, 60.3f, 600.7f, 190, 150);
                under.drawImage(sheer, 250, 640, 180.4f, 90);
            }
            pdf.save(file.toFile());
        }
        Original original = new Original("photographs.pdf", Files.readAllBytes(file), null);
        BufferedImage shown = writes(original, Decant.open(file));
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            BufferedImage drawn = new PDFRenderer(pdf).renderImage(page(laid), 1.5f);
            // A picture that does not begin on a whole pixel is off by less than one.
            assertThat(difference(shown, drawn)).isLessThan(1.5);
        }
    }

    private static BufferedImage photograph(int type) {
        BufferedImage image = new BufferedImage(620, 620, type);
        for (int y = 0; y < image.getHeight(); y++)
            for (int x = 0; x < image.getWidth(); x++)
                image.setRGB(x, y, new Color(150 + x / 7, 255 - y / 7, (x / 60 + y / 80) % 2 == 0 ? 140 : 220, 90 + x / 5).getRGB());
        return image;
    }

    private static int page(PagedDocument shown) { return shown.caret(find(shown.document(), "neighbour").start()).page(); }

    /** Writes on a page: each state is painted from the one before, and by a painter that saw none; the two are compared. How it looked at first. */
    private static BufferedImage writes(Original original, Taken own) throws IOException {
        Layout itsLayout = new Layout(FontCatalogue.ofThisMachine());
        PagedDocument its = itsLayout.next(own.document());
        try (Revision revision = new Revision(original, own); GroundPainter going = new GroundPainter(original)) {
            Page first = revision.shown(its).page(page(its));
            BufferedImage untouched = going.image(first, 1.5);
            for (String word : List.of("bourneigh", "b", "", "harbour boat")) {
                Document written = Typing.type(own.document(), find(own.document(), "neighbour"), word, null).after();
                Page now = revision.shown(itsLayout.next(written)).page(first.index());
                BufferedImage shown = going.image(now, 1.5);
                try (GroundPainter anew = new GroundPainter(original)) {
                    assertThat(differing(shown, anew.image(now, 1.5))).as(word).isZero();
                }
                assertThat(differing(shown, untouched)).isGreaterThan(20);
            }
            itsLayout.next(own.document());
            assertThat(differing(going.image(revision.shown(its).page(first.index()), 1.5), untouched)).isZero();
            return untouched;
        }
    }

    /** How many pixels differ by more than what rounding does. */
    private static int differing(BufferedImage one, BufferedImage other) {
        int[] by = differences(one, other);
        return IntStream.range(3, by.length).map(difference -> by[difference]).sum();
    }

    /** By how much pixels differ in the mean, of 255. */
    private static double difference(BufferedImage one, BufferedImage other) {
        int[] by = differences(one, other);
        return IntStream.range(0, by.length).mapToLong(difference -> (long) difference * by[difference]).sum() / (double) (one.getWidth() * one.getHeight());
    }

    /** How many pixels differ by so much in their blue. */
    private static int[] differences(BufferedImage one, BufferedImage other) {
        int[] differences = new int[256];
        PixelRows was = new PixelRows(one);
        PixelRows is = new PixelRows(other);
        for (int y = 0; y < one.getHeight(); y++) {
            int[] row = was.row(y);
            int[] next = is.row(y);
            for (int x = 0; x < row.length; x++) differences[Math.abs((row[x] & 255) - (next[x] & 255))]++;
        }
        return differences;
    }
}
