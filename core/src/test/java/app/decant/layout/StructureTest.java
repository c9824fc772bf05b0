package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.RandomDocument;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.page.Element.Role;
import app.decant.page.Element;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** What pages hold for whoever can't see them (ISO 32000-2, 14.8.4). */
class StructureTest {
    private static String told(Element element) {
        String own = element.text() instanceof TextPassage passage ? passage.paragraph().plainText() : "";
        String type = element.role().type() + (element.level() > 0 ? String.valueOf(element.level()) : "");
        String children = element.children().stream().map(StructureTest::told).collect(Collectors.joining(" "));
        return type + (own.isEmpty() ? "" : "=" + own) + (children.isEmpty() ? "" : "(" + children + ")");
    }

    private static String told(Block... blocks) {
        Numbering.Level level = new Numbering.Level(NumberFormat.DECIMAL, 1, "%1.", Numbering.Suffix.TAB, null, null, Look.PLAIN);
        Numbering.Level inner = new Numbering.Level(NumberFormat.BULLET, 1, "-", Numbering.Suffix.TAB, null, null, Look.PLAIN);
        Document document = Sample.of(List.of(blocks)).withNumbering(Numbering.NONE
                .with(new Numbering.Pattern("p", List.of(level, inner, inner)), new Numbering.NumberedList("l", "p", Map.of(), Map.of()))
                .with(new Numbering.Pattern("q", List.of(level)), new Numbering.NumberedList("m", "q", Map.of(), Map.of())));
        return told(StructureTree.of(document));
    }

    private static Paragraph item(String list, int level, String text) {
        return Sample.looking(text, Look.of(ParagraphProperty.LIST, new ListReference(list, level)));
    }

    @Test void listsNestAsTheyAreRead() {
        assertThat(told(item("l", 0, "a"), item("l", 1, "b"), item("l", 1, "c"), item("l", 0, "d")))
                .isEqualTo("Document(L(LI(Lbl=a LBody=a(L(LI(Lbl=b LBody=b) LI(Lbl=c LBody=c)))) LI(Lbl=d LBody=d)))");
        assertThat(told(item("l", 0, "a"), item("m", 0, "b"))).as("another list").isEqualTo("Document(L(LI(Lbl=a LBody=a)) L(LI(Lbl=b LBody=b)))");
        assertThat(told(item("l", 0, "a"), Paragraph.of("between"), item("l", 0, "b"))).as("text between")
                .isEqualTo("Document(L(LI(Lbl=a LBody=a)) P=between L(LI(Lbl=b LBody=b)))");
        assertThat(told(item("l", 2, "deep"), item("l", 0, "a"))).as("levels left out")
                .isEqualTo("Document(L(LI(LBody(L(LI(LBody(L(LI(Lbl=deep LBody=deep))))))) LI(Lbl=a LBody=a)))");
    }

    @Test void headingsTablesNotesAndPicturesAreWhatTheyAre() {
        Picture picture = new Picture(new Image("image/png", new byte[4]), 20, 20, "the pier");
        Inline.Note note = new Inline.Note(Inline.Note.Kind.FOOTNOTE, List.of(Paragraph.of("not on Sundays")), null, Look.PLAIN);
        Paragraph noted = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("sails", Look.PLAIN), note));
        Table table = new Table(Look.PLAIN, List.of(50.0, 50.0), List.of(
                new Table.Row(Look.of(TableProperty.HEADER_ROW, true), List.of(new Table.Cell(0, 2, 1, Look.PLAIN, List.of(Paragraph.of("Fares"))))),
                new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of("dog"))),
                        new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of("2")))))));
        Inline.InlinePicture inLine = new Inline.InlinePicture(picture, Look.PLAIN);
        Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 0), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0),
                Anchor.Wrap.SQUARE, TableProperty.Insets.NONE, false);
        Paragraph shown = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("pier", Look.PLAIN), new Inline.Floating(anchor, picture,
                Look.PLAIN)));
        String told = told(Paragraph.styled("Heading2", "Dogs"), Paragraph.styled("Heading1", " "), noted, table, shown, Paragraph.of("x")
                .withInlines(List.of(inLine)));
        assertThat(told.replace(String.valueOf(Inline.OBJECT), "")).isEqualTo("Document(H2=Dogs P=  P=sails Note(P=not on Sundays) Table(TR(TH(P=Fares)) "
                + "TR(TD(P=dog) TD(P=2))) P=pier Figure P)");
    }

    /** Every paragraph is told once, in the order in which it stands, whatever the document. */
    @Test void nothingIsLeftOutAndNothingIsToldTwice() {
        for (int seed = 0; seed < 60; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            List<Paragraph> told = new ArrayList<>();
            gather(StructureTree.of(document), told);
            List<Paragraph> stands = new ArrayList<>();
            document.sections().forEach(section -> stands(section.blocks(), stands));
            assertThat(told).as("seed %d", seed).hasSameSizeAs(stands);
            for (int i = 0; i < told.size(); i++) assertThat(told.get(i)).as("seed %d, %d", seed, i).isSameAs(stands.get(i));
        }
    }

    private static void gather(Element element, List<Paragraph> told) {
        if (element.text() instanceof TextPassage passage && element.role() != Role.LABEL) told.add(passage.paragraph());
        for (Element child : element.children()) gather(child, told);
    }

    private static void stands(List<? extends Block> blocks, List<Paragraph> stands) {
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) {
                stands.add(paragraph);
                for (Inline inline : paragraph.inlines()) {
                    if (inline instanceof Inline.Note note) stands(note.blocks(), stands);
                    if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) stands(box.blocks(), stands);
                }
            } else if (block instanceof Table table) {
                table.rows().forEach(row -> row.cells().forEach(cell -> stands(cell.blocks(), stands)));
            } else if (block instanceof Contents contents) {
                stands.addAll(contents.entries());
            }
        }
    }
}
