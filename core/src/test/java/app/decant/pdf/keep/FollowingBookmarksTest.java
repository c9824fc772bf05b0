package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.edit.Change;
import app.decant.edit.Deletion;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.Headings;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.page.Pages;
import app.decant.page.Retold;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.pdf.keep.FollowingBookmarks.Came;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Headings of a PDF that become others, and what its bookmarks (ISO 32000-2, 12.3.3) and its tags (14.8.4.3) say then, as PDFBox reads them. */
class FollowingBookmarksTest {
    @TempDir private Path root;
    private Path source;
    private Taken taken;

    @BeforeEach void setUp() throws IOException {
        Path page = root.resolve("notice.html");
        String text = "The harbour office opens at eight in the morning, and in summer at seven already, whatever the tide is.";
        Files.writeString(page, "<html lang='en'><h1>Opening hours</h1><p>" + text + "</p><h2>In winter</h2><p>" + text + "</p><p>In summer</p><p>" + text
                + "</p><h1>Tickets</h1><p>" + text + "</p><h2>Bicycles</h2><p>" + text + "</p></html>");
        source = root.resolve("notice.pdf");
        Decant.publish(new Order(Decant.layOut(Decant.open(page).document()), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), source, Progress.SILENT);
        taken = Decant.open(source);
    }

    private Made made(Document now) throws IOException {
        Made made = new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN);
        assertThat(made.receipt().proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        if (made.pages().isOwn(0)) assertThat(titles(made)).as("what the pages say of it")
                .isEqualTo(made.pages().headings().stream().map(heading -> heading.level() + " " + heading.title()).toList());
        return made;
    }

    private static List<String> titles(Made made) throws IOException { return titles(made.receipt().file()); }

    private static List<String> titles(Path file) throws IOException {
        List<String> titles = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            titles(pdf.getDocumentCatalog().getDocumentOutline(), 1, titles);
        }
        return titles;
    }

    private static void titles(PDOutlineNode node, int depth, List<String> titles) {
        for (PDOutlineItem item : node.children()) {
            titles.add(depth + " " + item.getTitle());
            titles(item, depth + 1, titles);
        }
    }

    /** The elements of texts, with what they say. */
    private static List<String> tags(Made made) throws IOException {
        List<String> tags = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            tags(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, tags);
        }
        return tags;
    }

    private static void tags(PDStructureNode node, PDDocument pdf, List<String> tags) throws IOException {
        if (node instanceof PDStructureElement element) tags.add(element.getStructureType() + " " + TaggedText.of(element, pdf).strip());
        for (Object kid : node.getKids()) if (kid instanceof PDStructureNode child) tags(child, pdf, tags);
    }

    private Document heading(Document document, String words, String model, boolean looks) {
        Paragraph like = document.paragraph(CorrectedFile.find(document, model).start().path());
        return Dressing.paragraphs(document, CorrectedFile.find(document, words), paragraph -> new Paragraph(like.style(),
                looks ? like.look() : paragraph.look(), paragraph.mark(), paragraph.inlines()), EditKind.HEADING).after();
    }

    @Test void headingThatSaysSomethingElseIsCalledThat() throws IOException {
        Document now = Typing.type(taken.document(), CorrectedFile.find(taken.document(), "Tickets"), "Fares", null).after();
        Made made = made(now);
        assertThat(made.pages().isOwn(0)).as("%s", made.findings()).isTrue();
        assertThat(titles(made)).containsExactly("1 Opening hours", "2 In winter", "1 Fares", "2 Bicycles");
        assertThat(made.receipt().findings()).anySatisfy(finding -> assertThat(finding.what()).contains("1 renamed."));
        assertThat(tags(made)).contains("H1 Fares");
    }

    @Test void passageThatBecomesAHeadingGetsABookmarkThatLandsOnIt() throws IOException {
        Made made = made(heading(taken.document(), "In summer", "In winter", true));
        assertThat(titles(made)).containsExactly("1 Opening hours", "2 In winter", "2 In summer", "1 Tickets", "2 Bicycles");
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            PDOutlineItem item = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild().getLastChild();
            double top = pdf.getPage(0).getMediaBox().getHeight() - ((PDPageXYZDestination) item.getDestination()).getTop();
            String first = CorrectedFile.letters(made.receipt().file(), 0).stream().filter(letter -> letter.startsWith("s "))
                    .filter(letter -> Double.parseDouble(letter.split(" ")[2]) > top).findFirst().orElseThrow();
            assertThat(Double.parseDouble(first.split(" ")[2]) - top).as("from the place down to the line").isBetween(4.0, 30.0);
        }
    }

    /** A level that shows in nothing but what the heading is: its page keeps its stream. */
    @Test void tagsSayWhatAParagraphIsNow() throws IOException {
        Document now = taken.document();
        assertThat(Headings.canShift(now, CorrectedFile.find(now, "Bicycles"), -1)).isTrue();
        Made made = made(Headings.shift(now, CorrectedFile.find(now, "Bicycles"), -1).after());
        assertThat(titles(made)).containsExactly("1 Opening hours", "2 In winter", "1 Tickets", "1 Bicycles");
        assertThat(made.pages().isOwn(0)).as("%s", made.findings()).isTrue();
        assertThat(tags(made)).contains("H1 Bicycles").doesNotContain("H2 Bicycles");
        Cascade cascade = Cascade.of(now);
        BlockPath path = CorrectedFile.find(now, "In winter").start().path();
        Paragraph heading = now.paragraph(path);
        Paragraph plain = now.paragraph(path.sibling(path.last() + 1));
        Look looks = cascade.paragraph(heading).without(ParagraphProperty.OUTLINE_LEVEL);
        Document none = Dressing.paragraphs(now, TextSelection.caret(new Place(path, 0)), paragraph -> new Paragraph(plain.style(), looks, paragraph.mark(),
                paragraph.inlines().stream().map(inline -> inline.with(cascade.text(heading, inline.look()))).toList()), EditKind.HEADING).after();
        Made text = made(none);
        assertThat(text.pages().isOwn(0)).as("%s", text.findings()).isTrue();
        assertThat(titles(text)).containsExactly("1 Opening hours", "1 Tickets", "2 Bicycles");
        assertThat(tags(text)).contains("P In winter").doesNotContain("H2 In winter");
    }

    @Test void headingsThatComeAndGo() throws IOException {
        TextSelection found = CorrectedFile.find(taken.document(), "Bicycles");
        BlockPath path = found.start().path();
        Change gone = Deletion.delete(taken.document(), new TextSelection(new Place(path, 0), new Place(path.sibling(path.last() + 1), 0)));
        Made made = made(gone.after());
        assertThat(titles(made)).containsExactly("1 Opening hours", "2 In winter", "1 Tickets");
        Document two = taken.document();
        Change parted = Typing.breakParagraph(two, TextSelection.caret(CorrectedFile.find(two, "whatever the tide is.").end()));
        Document put = heading(Typing.type(parted.after(), parted.picked(), "On Sundays", null).after(), "On Sundays", "In winter", true);
        Made more = made(put);
        assertThat(titles(more)).containsExactly("1 Opening hours", "2 On Sundays", "2 In winter", "1 Tickets", "2 Bicycles");
        assertThat(tags(more)).contains("H2 On Sundays");
    }

    /** Whoever finds that bookmarks are missing in a file has them made from its headings. */
    @Test void bookmarksAreMadeAnewWhereThatIsWished() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(Files.readAllBytes(source))) {
            PDOutlineItem first = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
            for (COSName name : List.of(COSName.FIRST, COSName.LAST, COSName.COUNT)) first.getCOSObject().removeItem(name);
            pdf.save(source.toFile());
        }
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
        Intake intake = new Intake(source, null);
        Receipt own = Decant.publish(new Order(intake.pages(recipe, Progress.SILENT), recipe), root.resolve("own.pdf"), Progress.SILENT).get(0);
        assertThat(titles(own.file())).containsExactly("1 Opening hours", "1 Tickets", "2 Bicycles");
        Recipe wished = recipe.with(recipe.style().bookmarks().anew(true));
        Receipt anew = Decant.publish(new Order(intake.pages(wished, Progress.SILENT), wished), root.resolve("anew.pdf"), Progress.SILENT).get(0);
        assertThat(titles(anew.file())).containsExactly("1 Opening hours", "2 In winter", "1 Tickets", "2 Bicycles");
        assertThat(anew.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        try (PDDocument before = Loader.loadPDF(source.toFile()); PDDocument after = Loader.loadPDF(anew.file().toFile())) {
            assertThat(after.getPage(0).getContents().readAllBytes()).isEqualTo(before.getPage(0).getContents().readAllBytes());
        }
    }

    @Test void sectionsElsewhereTakeTheirBookmarksAlong() throws IOException {
        Document now = taken.document();
        BlockPath tickets = CorrectedFile.find(now, "Tickets").start().path();
        BlockPath first = CorrectedFile.find(now, "Opening hours").start().path();
        Made made = made(Headings.place(now, TextSelection.caret(new Place(tickets, 0)), tickets, first).after());
        assertThat(titles(made)).containsExactly("1 Tickets", "2 Bicycles", "1 Opening hours", "2 In winter");
        assertThat(tags(made)).contains("H1 Tickets", "H2 Bicycles");
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            PDOutlineItem top = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
            double above = ((PDPageXYZDestination) top.getDestination()).getTop();
            assertThat(((PDPageXYZDestination) top.getNextSibling().getDestination()).getTop()).isLessThan((int) above - 100);
        }
    }

    private static Pages.Heading heading(int level, String title, int page) { return new Pages.Heading(level, title, title, page, 100); }

    /** Bookmarks of what is no heading stay behind what they stood behind, and levels that have none get none. */
    @Test void whatIsNoHeadingStaysWhereItIs() {
        List<Came> came = List.of(new Came(1, "Cover", 0, 0), new Came(1, "1. One", 1, 0), new Came(2, "A figure", 2, 0), new Came(1, "Two", 4, 0),
                new Came(1, "Index", 9, 0));
        List<Pages.Heading> was = List.of(heading(1, "1 One", 1), heading(3, "a remark", 1), heading(1, "2. Two", 4));
        List<Retold.Now> now = List.of(new Retold.Now(0, heading(1, "1 One", 1), false), new Retold.Now(-1, heading(3, "another", 1), false),
                new Retold.Now(1, heading(3, "a remark", 1), false), new Retold.Now(-1, heading(2, "One and a half", 3), false),
                new Retold.Now(2, heading(2, "2.1 Two, again", 5), true), new Retold.Now(-1, heading(1, "Three", 6), false));
        List<String> is = FollowingBookmarks.of(came, new Retold(was, now, List.of()), page -> page, level -> true).stream()
                .map(one -> one.depth() + " " + one.title() + (one.place() == null ? "" : " @" + one.place().page())).toList();
        assertThat(is).containsExactly("1 Cover", "1 1. One", "2 A figure", "2 One and a half @3", "2 Two, again @5", "1 Three @6", "1 Index");
    }

    /** What was two below a bookmark that is gone is as deep as it can be below what is there. */
    @Test void whatStoodBelowOneThatIsGoneMovesUp() {
        List<Came> came = List.of(new Came(1, "One", 0, 0), new Came(2, "1.1", 0, 50), new Came(3, "1.1.1", 1, 0), new Came(1, "Two", 2, 0));
        List<Pages.Heading> was = List.of(heading(1, "One", 0), heading(2, "1.1", 0), heading(1, "Two", 2));
        List<Retold.Now> now = List.of(new Retold.Now(0, was.get(0), false), new Retold.Now(2, was.get(2), false));
        assertThat(FollowingBookmarks.of(came, new Retold(was, now, List.of()), page -> page, level -> true)).extracting(FollowingBookmarks.Is::title,
                FollowingBookmarks.Is::depth).containsExactly(tuple("One", 1), tuple("1.1.1", 2), tuple("Two", 1));
    }
}
