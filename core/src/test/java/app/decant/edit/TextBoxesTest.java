package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.RandomDocument;
import app.decant.document.Story;
import app.decant.document.TextBox;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.Sample;
import java.util.List;
import java.util.Random;
import java.util.function.BiFunction;
import org.junit.jupiter.api.Test;

/** Boxes put in, written in, placed and taken out; whatever is done is taken back as it was. */
class TextBoxesTest {
    @Test void aBoxIsPutInWrittenInPlacedAndTakenOut() {
        Document document = Sample.of(List.of(Paragraph.of("Boats are lent by the day. ".repeat(30))));
        Change in = TextBoxes.insert(document, TextSelection.caret(new Place(BlockPath.of(0, 0), 9)));
        assertThat(in.picked().story()).isEqualTo(new Story.Box(new Place(BlockPath.of(0, 0), 0)));
        Change typed = Typing.type(in.after(), in.picked(), "Ask at the office", null);
        PagedDocument pages = Layout.of(typed.after(), FontCatalogue.shipped());
        PagedDocument.Caret caret = pages.caret(typed.picked().head());
        assertThat(caret.x()).as("at the right of the text").isGreaterThan(pages.page(0).width() / 2);
        Change wide = TextBoxes.widen(typed.after(), typed.picked(), 220);
        assertThat(TextBoxes.at(wide.after(), wide.picked()).width()).isEqualTo(220);
        Change left = TextBoxes.place(wide.after(), wide.picked(), Placing.TEXT_AT_RIGHT);
        assertThat(Layout.of(left.after(), FontCatalogue.shipped()).caret(left.picked().head()).x()).isLessThan(pages.page(0).width() / 2);
        Change bare = TextBoxes.frame(left.after(), left.picked(), false);
        assertThat(TextBoxes.at(bare.after(), bare.picked())).extracting(TextBox::border).isNull();
        assertThat(((Paragraph) TextBoxes.at(bare.after(), bare.picked()).blocks().get(0)).text()).isEqualTo("Ask at the office");
        Change out = TextBoxes.remove(bare.after(), bare.picked());
        assertThat(out.after()).isEqualTo(document);
        assertThat(out.picked().story()).isEqualTo(Story.BODY);
    }

    @Test void whateverTheDocumentAllIsTakenBack() {
        List<BiFunction<Document, Selection, Change>> all = List.of((document, picked) -> TextBoxes.widen(document, picked, 99),
                (document, picked) -> TextBoxes.place(document, picked, Placing.UNDER), (document, picked) -> TextBoxes.frame(document, picked, false),
                TextBoxes::remove);
        for (int seed = 0; seed < 60; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            for (Walk.Stop stop : Walk.of(document).stops()) {
                Selection caret = TextSelection.caret(new Place(stop.path(), stop.paragraph().length()));
                if (!TextBoxes.canInsert(caret)) continue;
                Change in = TextBoxes.insert(document, caret);
                assertThat(in.transaction().inverse(document).apply(in.after()).document()).isEqualTo(document);
                for (BiFunction<Document, Selection, Change> one : all) {
                    Change change = one.apply(in.after(), in.picked());
                    assertThat(change.transaction().inverse(in.after()).apply(change.after()).document()).isEqualTo(in.after());
                }
                break;
            }
        }
    }
}
