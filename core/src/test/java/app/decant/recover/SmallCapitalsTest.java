package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.Sample;
import app.decant.pdf.read.FaceNames;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Small capitals drawn as smaller capitals come back as what they were; capitals that are only smaller stay capitals. */
class SmallCapitalsTest {
    private static final Look BODY = Look.of(TextProperty.FAMILY, "Liberation Serif").with(TextProperty.SIZE, 12.0);

    private static List<Inline.Text> runs(Document document) {
        List<Inline.Text> runs = new ArrayList<>();
        for (Block block : document.blocks())
            if (block instanceof Paragraph paragraph) for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.Text run) runs.add(run);
        return runs;
    }

    private static String small(Document document) {
        StringBuilder text = new StringBuilder();
        var cascade = Cascade.of(document);
        for (Block block : document.blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            for (Inline inline : paragraph.inlines())
                if (inline instanceof Inline.Text run && cascade.text(paragraph, run.look()).is(TextProperty.SMALL_CAPITALS))
                    text.append('[').append(run.text()).append(']');
        }
        return text.toString();
    }

    @Test void comeBackFromOurOwnWriterWithEveryLetterAsItWas() throws Exception {
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("The house of ", BODY),
                new Inline.Text("Margarethe van der Linden-Ostrey, Esq.", BODY.with(TextProperty.SMALL_CAPITALS, true)),
                new Inline.Text(" stands by the pier, and the ferry leaves from there at noon each day of the week but Sunday.", BODY)));
        Document document = Sample.of(List.of(paragraph));
        byte[] pdf = OwnWriter.write(Layout.of(document, FontCatalogue.shipped()), false);
        Recovered back = PdfSketch.recovered(pdf);
        assertThat(small(back.document())).as("a full stop after the last letter shows no size").isEqualTo("[Margarethe van der Linden-Ostrey, Esq]");
        assertThat(((Paragraph) back.document().blocks().get(0)).plainText()).isEqualTo(paragraph.plainText());
        assertThat(runs(back.document())).as("one size").extracting(run -> run.look().get(TextProperty.SIZE, 12.0)).containsOnly(12.0);
    }

    @Test void areNotSeenWhereCapitalsAreOnlySmaller() {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 80, 12, "LiberationSerif-Regular", "The office of the").text(162, 80, 9.6, "LiberationSerif-Regular", "ISO")
                    .text(184, 80, 12, "LiberationSerif-Regular", "keeps standards for ships.");
            assertThat(small(sketch.document())).isEmpty();
            assertThat(runs(sketch.document()).stream().map(Inline.Text::text).reduce("", String::concat)).contains("ISO");
        }
    }

    @Test void areToldByTheNameOfTheirFont() {
        assertThat(List.of("CMCSC10", "AlegreyaSC-Regular", "Linden-SmallCaps", "ScreenSans", "MUSCAT", "Discus-Regular").stream()
                .filter(name -> FaceNames.isSmallCapitals(name)).toList()).containsExactly("CMCSC10", "AlegreyaSC-Regular", "Linden-SmallCaps");
    }
}
