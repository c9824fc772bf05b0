package app.decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.NumberFormat;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDPageLabels;
import org.junit.jupiter.api.Test;

/** Printed page numbers told in a PDF (ISO 32000-1, 12.4.2), read back by PDFBox. */
class PageLabelTest {
    /** The labels as PDFBox reads them when each is told at its own page, or only where it does not follow the one before. */
    private static List<String> readBack(List<String> labels, boolean ranges) throws IOException {
        try (PDDocument pdf = new PDDocument()) {
            COSArray numbers = new COSArray();
            PageLabel last = null;
            for (int i = 0; i < labels.size(); i++) {
                pdf.addPage(new PDPage());
                PageLabel label = PageLabel.of(labels.get(i));
                if (!ranges || last == null || !label.follows(last)) {
                    numbers.add(COSInteger.get(i));
                    numbers.add(label.dictionary());
                }
                last = label;
            }
            COSDictionary tree = new COSDictionary();
            tree.setItem(COSName.NUMS, numbers);
            return List.of(new PDPageLabels(pdf, tree).getLabelsByPageIndices());
        }
    }

    private static void assertShown(List<String> labels) throws IOException {
        assertThat(readBack(labels, false)).isEqualTo(labels);
        assertThat(readBack(labels, true)).isEqualTo(labels);
    }

    @Test void whatIsPrintedIsShown() throws IOException {
        assertShown(List.of("i", "ii", "iii", "iv", "1", "2", "3", "A", "B", "C", "D", "AA", "a", "b", "aa", "XL", "MCMXCIV"));
        assertShown(List.of("Cover", "A-1", "A-2", "12a", "0", "007", "-3", "Ii", "iI", "aB", "iiii", "vx", "\u0416", "(4)", "1.2", "99999999999"));
    }

    /** Every way of counting that documents know, all along, and in any order. */
    @Test void everyCountIsShown() throws IOException {
        Random random = new Random(7);
        List<String> any = new ArrayList<>();
        for (NumberFormat format : List.of(NumberFormat.DECIMAL, NumberFormat.LOWER_ROMAN, NumberFormat.UPPER_ROMAN, NumberFormat.LOWER_LETTER,
                NumberFormat.UPPER_LETTER)) {
            List<String> labels = new ArrayList<>();
            for (int count = 1; count < 120; count++) labels.add(format.write(count));
            assertShown(labels);
            for (int i = 0; i < 40; i++) any.add(random.nextInt(any.size() + 1), format.write(1 + random.nextInt(2000) % (format == NumberFormat.DECIMAL
                    ? 2000 : 60)));
        }
        assertShown(any);
    }

    /** A run of pages is told once. */
    @Test void onlyWhatGoesOnFollows() {
        assertThat(PageLabel.of("4").follows(PageLabel.of("3"))).isTrue();
        assertThat(PageLabel.of("iv").follows(PageLabel.of("iii"))).isTrue();
        assertThat(PageLabel.of("4").follows(PageLabel.of("iii"))).isFalse();
        assertThat(PageLabel.of("4").follows(PageLabel.of("4"))).isFalse();
        assertThat(PageLabel.of("A-2").follows(PageLabel.of("A-1"))).isFalse();
    }
}
