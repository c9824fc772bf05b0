package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.Map;
import org.junit.jupiter.api.Test;

/**
 * How high lines of OpenDocument are, and what blank ones do beside what floats: common practice, found in files whose makers noted where their pages ended
 * ({@code text:soft-page-break}, OpenDocument 1.3, 5.6).
 */
class OpenDocumentLinesTest {
    /** Ten points in Liberation Sans: ascent, descent and gap as its file says. */
    private static final double LINE = 11.5;
    private static final String LOOKS = "<style:style style:name='large' style:family='paragraph'><style:text-properties fo:font-family='Liberation Sans' "
            + "fo:font-size='30pt'/></style:style><style:style style:name='small' style:family='text'><style:text-properties fo:font-size='10pt'/>"
            + "</style:style>"
            + "<style:style style:name='plain' style:family='paragraph'><style:text-properties fo:font-family='Liberation Sans' fo:font-size='10pt'/>"
            + "</style:style><style:style style:name='above' style:family='graphic'><style:graphic-properties style:wrap='none' "
            + "style:vertical-pos='from-top' style:vertical-rel='paragraph' style:horizontal-pos='from-left' style:horizontal-rel='paragraph'/></style:style>";

    private static Page page(String body) {
        Document document = Formats.read(OpenText.file(LOOKS, body, Map.of()), "made.odt", null, Progress.SILENT).document();
        return Layout.of(document, FontCatalogue.shipped()).page(0);
    }

    private static double baseline(Page page, String word) {
        for (Item item : page.items()) {
            boolean says = item instanceof Item.LineItem line && line.line().pieces().stream().anyMatch(piece -> piece instanceof Piece.Glyphs one
                    && one.text().contains(word));
            if (says) return ((Item.LineItem) item).baseline();
        }
        throw new AssertionError(word);
    }

    @Test void linesAreAsHighAsTheirText() {
        String small = "<text:p text:style-name='large'><text:span text:style-name='small'>%s</text:span></text:p>";
        Page page = page(small.formatted("one") + small.formatted("two") + "<text:p text:style-name='large'/>" + small.formatted("three"));
        assertThat(baseline(page, "two") - baseline(page, "one")).isEqualTo(LINE, within(0.1));
        assertThat(baseline(page, "three") - baseline(page, "two")).as("a line without text is as high as its paragraph says").isEqualTo(4 * LINE, within(0.3));
    }

    @Test void blankParagraphsPassBehindWhatFloats() {
        String frame = "<text:p text:style-name='plain'><draw:frame draw:style-name='above' text:anchor-type='paragraph' svg:x='0pt' svg:y='0pt' "
                + "svg:width='300pt' svg:height='100pt'><draw:text-box><text:p text:style-name='plain'>boxed</text:p></draw:text-box></draw:frame></text:p>";
        String blank = "<text:p text:style-name='plain'/>";
        Page page = page("<text:p text:style-name='plain'>first</text:p>" + frame + blank.repeat(11) + "<text:p text:style-name='plain'>after</text:p>");
        assertThat(baseline(page, "after") - baseline(page, "first")).as("twelve blank lines, the frame among them").isEqualTo(13 * LINE, within(0.2));
        Page few = page("<text:p text:style-name='plain'>first</text:p>" + frame + blank.repeat(2) + "<text:p text:style-name='plain'>after</text:p>");
        assertThat(baseline(few, "after") - baseline(few, "first")).as("words stay clear of it").isGreaterThan(100);
    }
}
