package app.decant.font;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Faces and what stands in for them. */
class FontTest {
    private static final FontCatalogue FONTS = FontCatalogue.shipped();

    /** Widths in thousandths of an em, from the published metrics of the standard fonts (Adobe Core 14 AFM files; from memory). */
    @Test void standInsHaveTheWidthsOfWhatTheyStandInFor() {
        Map<String, int[]> published = Map.of("Helvetica", new int[] {278, 556, 667, 500}, "Times New Roman", new int[] {250, 500, 722, 444}, "Courier New",
                new int[] {600, 600, 600, 600});
        published.forEach((family, widths) -> {
            FontCatalogue.Match match = FONTS.match(family, false, false);
            assertThat(match.here()).isFalse();
            assertThat(match.equalWidths()).isTrue();
            String letters = " 0Ac";
            for (int i = 0; i < letters.length(); i++) {
                assertThat(Math.round(match.face().shape(letters.substring(i, i + 1), false, false, false).width() * 1000))
                        .as("%s, “%s”", family, letters.charAt(i)).isEqualTo(widths[i]);
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

    /** A task that is cancelled while it asks for the first time must not leave everybody without the fonts of the machine. */
    @Test void whoeverIsToldToStopFindsAllFontsAllTheSame() {
        List<InstalledFonts.Entry> found = InstalledFonts.found();
        Thread.currentThread().interrupt();
        assertThat(InstalledFonts.found()).isEqualTo(found);
        assertThat(Thread.interrupted()).as("it is still told to stop").isTrue();
    }

    /** OpenType 1.9, "Font collections": each font comes out as it went in, table by table. */
    @Test void fontsOfACollectionAreReadOneByOne() throws IOException {
        byte[][] fonts = {FONTS.match("Carlito", false, false).face().file(), FONTS.match("Liberation Mono", true, false).face().file()};
        byte[] collection = collection(fonts);
        for (int i = 0; i < 2; i++) {
            Face face = Face.read("One", false, false, FontCollection.font(collection, i));
            assertThat(face.shape("Quay 7", false, false, false).width()).isEqualTo(Face.read("One", false, false, fonts[i]).shape("Quay 7", false, false,
                    false).width());
        }
        assertThat(FontCollection.font(fonts[0], 0)).as("a plain font").isSameAs(fonts[0]);
        assertThatThrownBy(() -> FontCollection.font(collection, 2)).isInstanceOf(IOException.class);
        // Damaged in its directories: a sentence, no loop and no giant array.
        Random random = new Random(7);
        for (int i = 0; i < 400; i++) {
            byte[] damaged = collection.clone();
            damaged[4 + random.nextInt(300)] = (byte) random.nextInt();
            try {
                FontCollection.font(damaged, 0);
            } catch (IOException e) {
                assertThat(e).hasMessageMatching("The collection is damaged|No font 0 in the collection|A font of \\d+ tables|Tables longer than the file");
            }
        }
    }

    private static byte[] collection(byte[]... fonts) {
        ByteBuffer out = ByteBuffer.allocate(12 + 4 * fonts.length + Arrays.stream(fonts).mapToInt(font -> font.length).sum());
        out.putInt(0x74746366).putInt(0x00010000).putInt(fonts.length);
        int at = 12 + 4 * fonts.length;
        for (byte[] font : fonts) {
            out.putInt(at);
            at += font.length;
        }
        for (byte[] font : fonts) {
            int start = out.position();
            out.put(font);
            // Places are counted from the start of the whole file.
            int tables = out.getShort(start + 4);
            for (int i = 0; i < tables; i++) out.putInt(start + 12 + 16 * i + 8, out.getInt(start + 12 + 16 * i + 8) + start);
        }
        return out.array();
    }
}
