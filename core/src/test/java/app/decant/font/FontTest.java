package app.decant.font;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.Test;

/** Faces and what stands in for them. */
class FontTest {
    private static final FontCatalogue FONTS = FontCatalogue.shipped();

    /** Widths in thousandths of an em, from the published metrics of the standard fonts (Adobe Core 14 AFM files; from memory). */
    @Test void standInsHaveTheWidthsOfWhatTheyStandInFor() {
        Map<String, int[]> published = Map.of("Helvetica", new int[] {278, 556, 667, 500}, "Times New Roman", new int[] {250, 500, 722, 444}, "Courier New", new int[] {600, 600, 600, 600});
        published.forEach((family, widths) -> {
            FontCatalogue.Match match = FONTS.match(family, false, false);
            assertThat(match.here()).isFalse();
            assertThat(match.equalWidths()).isTrue();
            String letters = " 0Ac";
            for (int i = 0; i < letters.length(); i++) {
                assertThat(Math.round(match.face().shape(letters.substring(i, i + 1), false, false, false).width() * 1000)).as("%s, “%s”", family, letters.charAt(i)).isEqualTo(widths[i]);
            }
        });
    }

    @Test void anUnknownFamilyIsReplacedByOneOfItsKind() {
        assertThat(FONTS.match("Nowhere Grotesk", true, false).face()).hasToString("Liberation Sans Bold");
        assertThat(FONTS.match("Nowhere Mono", false, false).face().family()).isEqualTo("Liberation Mono");
        assertThat(FONTS.match("Nowhere Antiqua", false, true).face()).hasToString("Liberation Serif Italic");
        assertThat(FONTS.match("Nowhere Antiqua", false, true).equalWidths()).isFalse();
    }

    /** OpenType 1.9, table OS/2, fsType: the least restrictive of several bits holds. */
    @Test void licenceBitsAreReadAsTheSpecificationSays() {
        assertThat(EmbeddingRight.of(0x0000)).isEqualTo(EmbeddingRight.INSTALLABLE);
        assertThat(EmbeddingRight.of(0x0002)).isEqualTo(EmbeddingRight.RESTRICTED);
        assertThat(EmbeddingRight.of(0x0004)).isEqualTo(EmbeddingRight.PREVIEW_AND_PRINT);
        assertThat(EmbeddingRight.of(0x000C)).isEqualTo(EmbeddingRight.EDITABLE);
        assertThat(EmbeddingRight.forbidsSubsets(0x0104)).isTrue();
    }

    @Test void kerningAndLigaturesOnlyWhereTheyAreAskedFor() {
        Face face = FONTS.match("Carlito", false, false).face();
        assertThat(face.shape("office", false, false, false).glyphs()).hasSize(6);
        assertThat(face.shape("office", false, false, true).glyphs().length).isLessThan(6);
        assertThat(face.shape("AV", false, true, false).width()).isLessThan(face.shape("AV", false, false, false).width());
    }

    @Test void aCaretCanStandInsideALigature() {
        Shaped shaped = FONTS.match("Carlito", false, false).face().shape("ffi", false, false, true);
        float[] advances = shaped.advances();
        assertThat(advances).hasSize(3);
        for (float advance : advances) assertThat(advance).isPositive();
    }

    @Test void charactersOutsideAFaceComeFromAFallback() {
        Face face = FONTS.match("Liberation Serif", false, false).face();
        assertThat(face.has('\u4F60')).isFalse();
        assertThat(FONTS.fallback(face, '\u4F60').has('\u4F60')).isTrue();
    }
}
