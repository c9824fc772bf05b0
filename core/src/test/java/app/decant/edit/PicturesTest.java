package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Walk;
import app.decant.layout.Sample;
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
