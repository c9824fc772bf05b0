package app.decant.font;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.DecantException;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Faces against FontBox's own reading of the same files (OpenType 1.9: cmap, hmtx, head, OS/2), and laws that any shaping keeps. */
class FaceLawsTest {
    private static final FontCatalogue FONTS = FontCatalogue.shipped();

    @ParameterizedTest @ValueSource(strings = {"Carlito", "Caladea", "Liberation Sans", "Liberation Serif", "Liberation Mono"})
    void widthsAndCharactersAreThoseOfTheTables(String family) throws IOException {
        for (boolean bold : new boolean[] {false, true}) for (boolean italic : new boolean[] {false, true}) {
            Face face = FONTS.match(family, bold, italic).face();
            assertThat(face.family()).isEqualTo(family);
            assertThat(face.bold()).isEqualTo(bold);
            assertThat(face.italic()).isEqualTo(italic);
            try (TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(new ByteArrayInputStream(face.file())))) {
                assertThat(face.unitsPerEm()).isEqualTo(font.getUnitsPerEm());
                assertThat(face.postScriptName()).isEqualTo(font.getName());
                assertThat(face.fsType()).isEqualTo(font.getOS2Windows().getFsType());
                for (int c = 0x20; c < 0x250; c++) {
                    int glyph = font.getUnicodeCmapLookup().getGlyphId(c);
                    assertThat(face.has(c)).as("%s U+%04X", face, c).isEqualTo(glyph != 0);
                    boolean letter = glyph != 0 && Character.isLetterOrDigit(c);
                    if (!letter) continue;
                    Shaped shaped = face.shape(Character.toString(c), false, false, false);
                    assertThat(shaped.glyphs()).containsExactly(glyph);
                    assertThat((double) shaped.width()).as("%s U+%04X", face, c).isCloseTo(font.getAdvanceWidth(glyph) / (double) font.getUnitsPerEm(),
                            within(1e-4));
                }
                assertThat(face.ascent()).isPositive();
                assertThat(face.descent()).isPositive();
            }
        }
    }

    /** Without kerning and ligatures a text is as wide as its letters; each character has one place in it, from left to right. */
    @Test void aTextIsAsWideAsItsLetters() {
        Random random = new Random(7);
        String letters = "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789 .,-äöüßéñ";
        for (int round = 0; round < 300; round++) {
            Face face = FONTS.match(List.of("Carlito", "Liberation Serif", "Liberation Mono").get(round % 3), false, false).face();
            StringBuilder text = new StringBuilder();
            for (int i = 1 + random.nextInt(20); i > 0; i--) text.append(letters.charAt(random.nextInt(letters.length())));
            Shaped shaped = face.shape(text.toString(), false, false, false);
            double sum = 0;
            for (char c : text.toString().toCharArray()) sum += face.shape(String.valueOf(c), false, false, false).width();
            assertThat((double) shaped.width()).as(text.toString()).isCloseTo(sum, within(1e-3));
            float[] advances = shaped.advances();
            assertThat(advances).hasSize(text.length());
            double told = 0;
            for (float advance : advances) told += advance;
            assertThat(told).isCloseTo(shaped.width(), within(1e-3));
            int[] clusters = shaped.clusters();
            for (int i = 1; i < clusters.length; i++) assertThat(clusters[i]).isGreaterThanOrEqualTo(clusters[i - 1]);
        }
    }

    /** Letters from right to left are as wide as the other way, and stand in the order of the eye. */
    @Test void hebrewIsShapedFromTheRight() {
        Face face = FONTS.match("Liberation Sans", false, false).face();
        Shaped shaped = face.shape("שלום", true, false, false);
        assertThat(shaped.glyphs()).hasSize(4);
        assertThat(shaped.clusters()).containsExactly(3, 2, 1, 0);
        assertThat(shaped.rightToLeft()).isTrue();
        double sum = 0;
        for (char c : "שלום".toCharArray()) sum += face.shape(String.valueOf(c), true, false, false).width();
        assertThat((double) shaped.width()).isCloseTo(sum, within(1e-3));
    }

    /** ISO 32000-1, 9.6.4: a subset's tag is six capitals, the same for the same, another for another. */
    @Test void tagsOfSubsetsAreSixCapitals() {
        Set<String> tags = new TreeSet<>();
        Random random = new Random(1);
        for (int i = 0; i < 2000; i++) {
            int hash = random.nextInt();
            assertThat(Face.tag(hash)).matches("[A-Z]{6}").isEqualTo(Face.tag(hash));
            tags.add(Face.tag(hash));
        }
        assertThat(tags).hasSizeGreaterThan(1990);
    }

    /** A font of some characters is a font that has these, as wide as before, in fewer bytes. */
    @Test void aFontOfSomeCharactersHasThese() throws IOException {
        Face face = FONTS.match("Carlito", false, false).face();
        Set<Integer> wanted = "Fähre 7".chars().boxed().collect(Collectors.toSet());
        byte[] some = face.only(wanted);
        assertThat(some.length).isLessThan(face.file().length / 4);
        Face less = Face.read("Some", false, false, some);
        for (int c : wanted) {
            assertThat(less.has(c)).as("U+%04X", c).isTrue();
            assertThat((double) less.shape(Character.toString(c), false, false, false).width())
                    .isCloseTo(face.shape(Character.toString(c), false, false, false).width(), within(1e-4));
        }
        assertThat(less.has('q')).isFalse();
    }

    /** Files that are no fonts, and fonts that end too early, are refused in words. */
    @Test void brokenFontsAreRefused() {
        byte[] whole = FONTS.match("Liberation Mono", false, false).face().file();
        for (byte[] broken : List.of(new byte[0], "no font".getBytes(), Arrays.copyOf(whole, 200), Arrays.copyOf(whole, 5000)))
            assertThatThrownBy(() -> Face.read("Broken", false, false, broken)).isInstanceOf(DecantException.class);
    }

    /** Fonts that a document brings come before those that ship; those left out are none of them. */
    @Test void fontsThatAreBroughtComeFirst() {
        Face own = Face.read("Liberation Sans", false, false, FONTS.match("Caladea", false, false).face().file());
        FontCatalogue with = FONTS.with(List.of(own));
        assertThat(with.match("Liberation Sans", false, false).face()).isSameAs(own);
        assertThat(with.match("Caladea", false, false).face()).isEqualTo(FONTS.match("Caladea", false, false).face());
        FontCatalogue without = FONTS.without(List.of("Carlito"));
        assertThat(without.match("Carlito", false, false).here()).isFalse();
        assertThat(without.match("Carlito", false, false).face().family()).isNotEqualTo("Carlito");
        assertThat(FONTS.match("Carlito", false, false).here()).isTrue();
    }
}
