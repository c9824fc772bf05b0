package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Anchor;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.TableProperty;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.Sample;
import app.decant.page.Item;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Pictures put in, replaced, sized, described; whatever the document, each is found and all else stays. */
class PicturesTest {
    private static final Image OTHER = new Image("image/png", new byte[] {1, 2, 3});

    @Test void aPictureIsPutInSizedDescribedAndReplaced() {
        Document document = Sample.of(List.of(Paragraph.of("pier here")));
        Change in = Pictures.insert(document, TextSelection.caret(new Place(BlockPath.of(0, 0), 5)), OTHER, 100, 50);
        assertThat(in.after().paragraph(BlockPath.of(0, 0)).text()).isEqualTo("pier " + Inline.OBJECT + "here");
        Change larger = Pictures.resize(in.after(), in.picked(), 200);
        assertThat(Pictures.picked(larger.after(), larger.picked()).height()).isEqualTo(100);
        Change told = Pictures.describe(larger.after(), larger.picked(), "the pier at low water");
        Image image = new Image("image/jpeg", new byte[] {9});
        Change replaced = Pictures.replace(told.after(), told.picked(), image, 300, 600);
        Picture made = Pictures.picked(replaced.after(), replaced.picked());
        assertThat(made).isEqualTo(new Picture(image, 200, 400, "the pier at low water"));
        assertThat(Pictures.find(replaced.after(), made)).isEqualTo(replaced.picked());
        assertThat(Pictures.picked(document, TextSelection.caret(new Place(BlockPath.of(0, 0), 5)))).isNull();
        assertThat(Pictures.picked(document, new TextSelection(new Place(BlockPath.of(0, 0), 5), new Place(BlockPath.of(0, 0), 6)))).isNull();
    }

    private static Change in(String text, int at) {
        Document document = Sample.of(List.of(Paragraph.of(text), Paragraph.of("another")));
        return Pictures.insert(document, TextSelection.caret(new Place(BlockPath.of(0, 0), at)), OTHER, 100, 50);
    }

    private static Inline object(Change change) { return new ObjectSelection(((TextSelection) change.picked()).start()).object(change.after()); }

    @Test void whatIsCutOffIsNotMadeLarger() {
        Change in = in("pier here", 5);
        Change cut = Pictures.crop(in.after(), in.picked(), new TableProperty.Insets(0.2, 0.25, 0.3, 0));
        assertThat(Pictures.picked(cut.after(), cut.picked())).extracting(Picture::width, Picture::height).containsExactly(75.0, 25.0);
        Change more = Pictures.crop(cut.after(), cut.picked(), new TableProperty.Insets(0, 0.5, 0, 0));
        assertThat(Pictures.picked(more.after(), more.picked())).extracting(Picture::width, Picture::height).containsExactly(50.0, 50.0);
        Change whole = Pictures.crop(more.after(), more.picked(), TableProperty.Insets.NONE);
        assertThat(whole.after()).isEqualTo(in.after());
        assertThatThrownBy(() -> Pictures.crop(in.after(), in.picked(), new TableProperty.Insets(0, 0.5, 0, 0.5))).isInstanceOf(IllegalArgumentException.class);
    }

    /** The words of a scan go with what is left of it. */
    @Test void wordsUnderAPictureGoWithWhatIsCutOff() {
        Change in = in("pier here", 5);
        Picture read = Pictures.picked(in.after(), in.picked()).over(List.of(new Picture.Word("left", 5, 20, 20, 8), new Picture.Word("right", 60, 20, 20, 8)));
        Document scanned = Sample.of(List.of(new Paragraph("Normal", Look.PLAIN, Look.PLAIN, List.of(new Inline.InlinePicture(read, Look.PLAIN)))));
        Selection picked = new ObjectSelection(new Place(BlockPath.of(0, 0), 0));
        Change cut = Pictures.crop(scanned, picked, new TableProperty.Insets(0, 0, 0, 0.5));
        assertThat(Pictures.picked(cut.after(), cut.picked()).words()).containsExactly(new Picture.Word("right", 10, 20, 20, 8));
    }

    @Test void textRunsBesideAPictureOrOverItAndBack() {
        Change in = in("pier here " + "and words that fill some lines ".repeat(20), 0);
        double wide = firstLine(in.after());
        for (Placing placing : Placing.values()) {
            Change placed = Pictures.place(in.after(), in.picked(), placing);
            assertThat(Pictures.placing(placed.after(), placed.picked())).isEqualTo(placing);
            assertThat(Pictures.picked(placed.after(), placed.picked())).isEqualTo(Pictures.picked(in.after(), in.picked()));
            double line = firstLine(placed.after());
            if (placing == Placing.TEXT_AT_LEFT || placing == Placing.TEXT_AT_RIGHT) assertThat(line).isBetween(wide - 140, wide - 95);
            if (placing == Placing.UNDER || placing == Placing.OVER) assertThat(line).isGreaterThan(wide - 40);
            Change back = Pictures.place(placed.after(), placed.picked(), Placing.IN_LINE);
            assertThat(back.after()).isEqualTo(in.after());
        }
    }

    /** How far the first line of the text reaches from where it begins, as it is laid out. */
    private static double firstLine(Document document) {
        Item.LineItem line = (Item.LineItem) Layout.of(document, FontCatalogue.shipped()).page(0).items().stream()
                .filter(item -> item instanceof Item.LineItem one && one.line().start() == 0).findFirst().orElseThrow();
        return line.line().width();
    }

    @Test void aFloatingPictureIsCarriedAndOneInALineGoesToAnother() {
        Change in = in("pier here", 5);
        Change over = Pictures.place(in.after(), in.picked(), Placing.OVER);
        Change first = Pictures.move(over.after(), over.picked(), 30, 12, 120, 90);
        Anchor anchor = ((Inline.Floating) object(first)).anchor();
        assertThat(anchor.horizontal()).isEqualTo(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, 120));
        assertThat(anchor.vertical().offset()).isEqualTo(12);
        Change again = Pictures.move(first.after(), first.picked(), -20, 3, 100, 93);
        assertThat(((Inline.Floating) object(again)).anchor().horizontal().offset()).isEqualTo(100);
        assertThat(((Inline.Floating) object(again)).anchor().vertical().offset()).isEqualTo(15);

        Change there = Pictures.moveTo(in.after(), in.picked(), new Place(BlockPath.of(0, 1), 3));
        assertThat(there.after().blocks().stream().map(block -> ((Paragraph) block).text())).containsExactly("pier here", "ano" + Inline.OBJECT + "ther");
        Change within = Pictures.moveTo(in.after(), in.picked(), new Place(BlockPath.of(0, 0), 10));
        assertThat(within.after().paragraph(BlockPath.of(0, 0)).text()).isEqualTo("pier here" + Inline.OBJECT);
        assertThat(Pictures.moveTo(in.after(), in.picked(), new Place(BlockPath.of(0, 0), 6)).isNothing()).isTrue();
        for (Change change : List.of(there, within, again)) 
            assertThat(change.transaction().inverse(change.before()).apply(change.after()).document()).isEqualTo(change.before());
    }

    @Test void everyPictureOfEveryDocumentCanBeReplaced() {
        int seen = 0;
        for (int seed = 0; seed < 120; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            for (Walk.Stop stop : Walk.of(document).stops()) {
                int at = 0;
                for (Inline inline : stop.paragraph().inlines()) {
                    TextSelection here = new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + 1));
                    Picture picture = inline.length() == 1 ? Pictures.picked(document, here) : null;
                    at += inline.length();
                    if (picture == null) continue;
                    seen++;
                    assertThat(Pictures.find(document, picture)).isEqualTo(here);
                    Change change = Pictures.replace(document, here, OTHER, 2, 1);
                    Paragraph made = change.after().paragraph(stop.path());
                    assertThat(made.text()).isEqualTo(stop.paragraph().text());
                    assertThat(made.inlines()).hasSameSizeAs(stop.paragraph().inlines());
                    assertThat(Pictures.picked(change.after(), change.picked()).image()).isSameAs(OTHER);
                    assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
                }
            }
        }
        assertThat(seen).isGreaterThan(50);
    }
}
