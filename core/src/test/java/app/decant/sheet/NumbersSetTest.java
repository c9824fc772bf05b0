package app.decant.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Facts;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.CellText;
import app.decant.page.Line;
import app.decant.page.Piece;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** The short ways that most numbers of sheets go come to what the long ones come to: POI's formatter, and lines set like any others. */
class NumbersSetTest {
    private static final Workbook EMPTY = new Workbook(List.of(new Sheet("Fares", false, 48, 15, List.of(), List.of(), List.of(), PageSetup.PLAIN)),
            List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);

    @ParameterizedTest @ValueSource(strings = {"en", "de", "fr", "nb", "ar-EG"})
    void numbersShowAsTheLibraryShowsThem(String language) {
        Locale locale = Locale.forLanguageTag(language);
        NumberText numbers = new NumberText(EMPTY, locale);
        DataFormatter library = new DataFormatter(locale);
        Random random = new Random(15);
        for (int i = 0; i < 4000; i++) {
            double value = (random.nextDouble() - 0.5) * Math.pow(10, random.nextInt(22) - 8);
            if (i % 3 == 0) value = Math.rint(value * 1000) / 1000;
            if (i % 7 == 0) value = Math.rint(value * 8) / 8 + 0.000_005;
            assertThat(numbers.of(CellValue.of(value), CellStyle.GENERAL)).as("%s", value)
                    .isEqualTo(library.formatRawCellContents(value, 0, CellStyle.GENERAL, false));
        }
    }

    @ParameterizedTest @ValueSource(strings = {"Carlito", "Caladea", "Liberation Mono"})
    void signsStandAsLinesSetThem(String family) {
        Look look = Look.of(TextProperty.FAMILY, family).with(TextProperty.SIZE, 9.7).with(TextProperty.ITALIC, true);
        CellText one = new CellText(FontCatalogue.shipped(), Look.PLAIN);
        CellText other = new CellText(FontCatalogue.shipped(), Look.PLAIN);
        for (String said : List.of("0", "12.5", "-1,234.50", "7%", "1.2E+10", "(33)", "####", "12 \u20AC", "f", "", "1234567890.123456789")) {
            Paragraph paragraph = SheetPainter.paragraph(said, look, Alignment.START);
            CellText.Lines set = one.set(paragraph, CellText.ENDLESS);
            CellText.Lines signs = other.signs(paragraph, look);
            assertThat(signs.height()).as(said).isEqualTo(set.height());
            assertThat(signs.lines()).hasSameSizeAs(set.lines());
            for (int i = 0; i < set.lines().size(); i++) {
                assertThat(signs.lines().get(i).x()).isEqualTo(set.lines().get(i).x());
                assertThat(signs.lines().get(i).y()).isEqualTo(set.lines().get(i).y());
                alike(signs.lines().get(i).line(), set.lines().get(i).line());
            }
        }
    }

    private static void alike(Line line, Line like) {
        assertThat(List.of(line.start(), line.end(), line.x(), line.gap(), line.height(), line.baseline(), line.ascent(), line.descent(), line.after()))
                .isEqualTo(List.of(like.start(), like.end(), like.x(), like.gap(), like.height(), like.baseline(), like.ascent(), like.descent(),
                        like.after()));
        assertThat(line.width()).isCloseTo(like.width(), Offset.offset(0.001));
        assertThat(line.pieces()).hasSameSizeAs(like.pieces());
        for (int i = 0; i < like.pieces().size(); i++) {
            Piece.Glyphs piece = (Piece.Glyphs) line.pieces().get(i);
            Piece.Glyphs other = (Piece.Glyphs) like.pieces().get(i);
            assertThat(piece.text()).isEqualTo(other.text());
            assertThat(piece.style()).isEqualTo(other.style());
            assertThat(piece.glyphs()).containsExactly(other.glyphs());
            assertThat(piece.clusters()).containsExactly(other.clusters());
            for (int g = 0; g <= other.glyphs().length; g++) assertThat(piece.glyphX()[g]).isCloseTo(other.glyphX()[g], Offset.offset(0.001f));
        }
    }

    @Test void whatIsNotWesternIsLeftToTheLibrary() {
        NumberText numbers = new NumberText(EMPTY, Locale.forLanguageTag("ar-EG"));
        assertThat(numbers.of(CellValue.of(12.5), CellStyle.GENERAL)).isEqualTo(new DataFormatter(Locale.forLanguageTag("ar-EG"))
                .formatRawCellContents(12.5, 0, CellStyle.GENERAL, false));
    }
}
