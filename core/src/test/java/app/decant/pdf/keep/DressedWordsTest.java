package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.edit.Dressing;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Recipe;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Words that get another colour or size within a page's own stream, all around them as it was. Read and painted by PDFBox. */
class DressedWordsTest {
    static final int SCALE = 2;
    private static final String FOOT = "BT /F1 8 Tf 72 40 Td (Ostrey Sound Ferries) Tj ET\n";
    private static final String HEADED = "BT /F2 14 Tf 72 760 Td (Opening hours) Tj ET\nBT /F1 11 Tf 72 740 Td (We are there for you all year round.) Tj ET\n";

    @TempDir private Path root;

    private Path file(String content) throws IOException { return new CorrectedFile(root).file(content); }

    private Made coloured(Path file, String words, int rgb) {
        return new CorrectedFile(root).dress(file, words, look -> look.with(TextProperty.COLOUR, new Colour(rgb)));
    }

    private Made sized(Path file, String words, double size) {
        return new CorrectedFile(root).dress(file, words, look -> look.with(TextProperty.SIZE, size));
    }

    static List<TextPosition> letters(Path file, String words) throws IOException {
        List<TextPosition> letters = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) { if (!text.getUnicode().isBlank()) letters.add(text); }
            };
            stripper.getText(pdf);
        }
        StringBuilder all = new StringBuilder();
        for (TextPosition letter : letters) all.append(letter.getUnicode());
        String wanted = words.replace(" ", "");
        int at = all.indexOf(wanted);
        assertThat(at).as("“%s” in %s", words, all).isNotNegative();
        return letters.subList(at, at + wanted.length());
    }

    static BufferedImage painted(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return new PDFRenderer(pdf).renderImage(0, SCALE, ImageType.RGB);
        }
    }

    /** Whether the darkest that is painted in words is of a colour. */
    private static boolean isPainted(Path file, String words, int rgb) throws IOException {
        BufferedImage image = painted(file);
        int[] darkest = {255, 255, 255};
        for (TextPosition letter : letters(file, words)) {
            int bottom = Math.round(letter.getYDirAdj() * SCALE);
            for (int y = Math.round((letter.getYDirAdj() - 0.7f * letter.getFontSizeInPt()) * SCALE); y <= bottom; y++) {
                for (int x = Math.round(letter.getXDirAdj() * SCALE); x < (letter.getXDirAdj() + letter.getWidthDirAdj()) * SCALE; x++) {
                    int here = image.getRGB(x, y);
                    for (int i = 0; i < 3; i++) darkest[i] = Math.min(darkest[i], here >> 16 - 8 * i & 255);
                }
            }
        }
        for (int i = 0; i < 3; i++) if (Math.abs(darkest[i] - (rgb >> 16 - 8 * i & 255)) > 40) return false;
        return true;
    }

    private static Made inPlace(Made made) {
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        return made;
    }

    @Test void aWordIsPaintedInAColourAndWhatFollowsInTheOneThatWasInForce() throws IOException {
        // Colours set in a space of their own, kept and restored, told in four inks: each comes back as it was told.
        Path source = file("/CS0 cs 0 0.5 0 sc q 0 0 0 1 k BT /F1 11 Tf 72 760 Td (Ask at the pier) Tj ET Q BT /F1 11 Tf 72 740 Td (or write to the office)"
                + " Tj ( in time) Tj ET\n");
        try (PDDocument pdf = Loader.loadPDF(source.toFile())) {
            pdf.getPage(0).getResources().put(COSName.getPDFName("CS0"), PDDeviceRGB.INSTANCE);
            pdf.save(root.resolve("spaced.pdf").toFile());
        }
        Path spaced = root.resolve("spaced.pdf");
        Path file = inPlace(coloured(spaced, "write to", 0xC00000)).receipt().file();
        assertThat(isPainted(file, "write to", 0xC00000)).isTrue();
        for (String words : List.of("or", "the office", "in time")) assertThat(isPainted(file, words, 0x008000)).as(words).isTrue();
        assertThat(isPainted(file, "Ask at the pier", 0x231F20)).isTrue();
        assertThat(CorrectedFile.stream(file, 0)).contains("0.75294 0 0 rg").contains("/CS0 cs 0 0.5 0 sc");
        assertThat(CorrectedFile.letters(file, 0)).as("nothing moves").containsExactlyElementsOf(CorrectedFile.letters(spaced, 0));
        Path other = inPlace(coloured(spaced, "the pier", 0x0000C0)).receipt().file();
        assertThat(isPainted(other, "the pier", 0x0000C0)).isTrue();
        assertThat(CorrectedFile.stream(other, 0)).contains("0 0 0 1 k [");
    }

    @Test void aColouredWordKeepsItsColourWhereItsPassageBreaksOtherwise() throws IOException {
        Path source = file("BT /F1 11 Tf 72 760 Td 14 TL (Bicycles are carried free of charge by every ship that has room) Tj T* (and ) Tj 0.8 0 0 rg (no dogs)"
                + " Tj 0 g ( on deck, and on most days that is every one of them; ask) Tj T* (at the pier.) Tj ET\n");
        Made made = inPlace(new CorrectedFile(root).correct(source, "carried", "carried everywhere and at all times of the day and of the year"));
        Path file = made.receipt().file();
        assertThat(letters(file, "no dogs").get(0).getYDirAdj()).isGreaterThan(0);
        assertThat(isPainted(file, "no dogs", 0xCC0000)).isTrue();
        for (String words : List.of("of charge by", "on deck", "at the pier", "harbour office")) assertThat(isPainted(file, words, 0)).as(words).isTrue();
        Made black = inPlace(coloured(source, "dogs", 0));
        assertThat(isPainted(black.receipt().file(), "dogs", 0)).isTrue();
    }

    @Test void largerLettersTakeTheRoomTheyNeedAndSmallerOnesGiveIt() throws IOException {
        Path source = file(HEADED + FOOT);
        for (double size : new double[] {20, 10}) {
            Path file = inPlace(sized(source, "Opening hours", size)).receipt().file();
            assertThat(letters(file, "Opening hours")).allMatch(letter -> Math.abs(letter.getFontSizeInPt() - size) < 0.01
                    && letter.getFont().getName().equals("Helvetica-Bold"));
            // 1.2 em of a line's height, three quarters of it above the baseline.
            double more = 1.2 * (size - 14);
            assertThat((double) letters(file, "Opening").get(0).getYDirAdj())
                    .isCloseTo(letters(source, "Opening").get(0).getYDirAdj() + 0.75 * more, within(0.1));
            assertThat((double) letters(file, "We are there").get(0).getYDirAdj())
                    .isCloseTo(letters(source, "We are there").get(0).getYDirAdj() + more, within(0.1));
            double below = letters(file, "harbour office").get(0).getYDirAdj() - letters(source, "harbour office").get(0).getYDirAdj();
            assertThat(below).as("a wide gap takes it up, and none is left behind").isCloseTo(Math.min(0, more), within(0.1));
        }
    }

    @Test void aLargerWordWithinAPassageBreaksItAndStandsInItsSize() throws IOException {
        Path source = file("");
        Path file = inPlace(sized(source, "eight", 18)).receipt().file();
        assertThat(letters(file, "eight")).allMatch(letter -> Math.abs(letter.getFontSizeInPt() - 18) < 0.01);
        assertThat(letters(file, "in the morning")).allMatch(letter -> letter.getFontSizeInPt() == 11);
        List<TextPosition> eight = letters(file, "eight");
        TextPosition end = eight.get(eight.size() - 1);
        TextPosition next = letters(file, "eightin").get(5);
        assertThat(next.getXDirAdj() - end.getXDirAdj() - end.getWidthDirAdj()).isBetween(1.5f, 5f);
        assertThat(CorrectedFile.text(file).replaceAll("\\s+", " ")).contains("office opens at eight in the morning and closes at noon");
        // All at once: larger, red and bold.
        Made all = inPlace(new CorrectedFile(root).dress(source, "eight", look -> look.with(TextProperty.SIZE, 13.0).with(TextProperty.BOLD, true)
                .with(TextProperty.COLOUR, new Colour(0xC00000))));
        Path dressed = all.receipt().file();
        assertThat(letters(dressed, "eight")).allMatch(letter -> Math.abs(letter.getFontSizeInPt() - 13) < 0.01);
        assertThat(isPainted(dressed, "eight", 0xC00000)).isTrue();
        assertThat(isPainted(dressed, "in the morning", 0)).isTrue();
    }

    /** How much of the way from the first to the last letter of words is drawn at a height above their baseline, in points, in a colour. */
    static double drawn(Path file, String words, double above, int rgb) throws IOException {
        List<TextPosition> letters = letters(file, words);
        TextPosition last = letters.get(letters.size() - 1);
        BufferedImage image = painted(file);
        int from = Math.round(letters.get(0).getXDirAdj() * SCALE) + 1;
        int to = Math.round((last.getXDirAdj() + last.getWidthDirAdj()) * SCALE) - 1;
        int y = (int) Math.floor((letters.get(0).getYDirAdj() - above) * SCALE);
        int drawn = 0;
        for (int x = from; x < to; x++) {
            boolean there = false;
            for (int dy = -1; dy <= 1; dy++) {
                int here = image.getRGB(x, y + dy);
                int off = 0;
                for (int shift = 0; shift <= 16; shift += 8) off = Math.max(off, Math.abs((here >> shift & 255) - (rgb >> shift & 255)));
                there |= off < 150;
            }
            if (there) drawn++;
        }
        return drawn / (double) (to - from);
    }

    @Test void wordsAreUnderlinedAndStruckInTheirColourSpacesAmongThem() throws IOException {
        // A matrix, and tags of the text that end before it does.
        Path source = file("q 0.5 0 0 0.5 36 20 cm 0 0 0.8 rg BT /P <</MCID 0>> BDC /F1 28 Tf 72 1460 Td (Mind the gap at low water) Tj EMC ET Q\n");
        Path file = inPlace(new CorrectedFile(root).dress(source, "the gap at", look -> look.with(TextProperty.UNDERLINE, Underline.SINGLE)))
                .receipt().file();
        assertThat(drawn(file, "the gap at", -1.4, 0x0000CC)).isGreaterThan(0.98);
        assertThat(drawn(file, "Mind", -1.4, 0x0000CC)).isLessThan(0.1);
        assertThat(drawn(file, "low water", -1.4, 0x0000CC)).isLessThan(0.1);
        assertThat(CorrectedFile.stream(file, 0)).contains("/Artifact BMC q 0 0 0.8 rg");
        assertThat(CorrectedFile.letters(file, 0)).as("nothing moves").containsExactlyElementsOf(CorrectedFile.letters(source, 0));
        Path struck = inPlace(new CorrectedFile(root).dress(source, "low", look -> look.with(TextProperty.STRIKE, true)
                .with(TextProperty.COLOUR, new Colour(0xC00000)))).receipt().file();
        assertThat(drawn(struck, "low", 3.9, 0xC00000)).isGreaterThan(0.95);
        assertThat(drawn(struck, "water", 3.9, 0x0000CC)).isLessThan(0.8);
    }

    /** Behind its letters, as one area over the spaces; what a file has behind its own words is not taken away unseen. */
    @Test void wordsAreLitFromBehind() throws IOException {
        Path source = file("/P <</MCID 0>> BDC BT /F1 14 Tf 72 760 Td (Mind the gap at low water) Tj ET EMC BT /F1 14 Tf 72 744 Td (today) Tj ET\n");
        Path file = inPlace(new CorrectedFile(root).dress(source, "gap at", look -> look.with(TextProperty.HIGHLIGHT, new Colour(0xFFE040)))).receipt().file();
        // Above small letters and in the space, below the baseline of all but two.
        assertThat(drawn(file, "gap at", 10.8, 0xFFE040)).isGreaterThan(0.98);
        assertThat(drawn(file, "Mind the", -2.2, 0xFFE040)).isLessThan(0.05);
        assertThat(isPainted(file, "gap at", 0)).as("not covered").isTrue();
        assertThat(isPainted(file, "today", 0)).isTrue();
        assertThat(CorrectedFile.stream(file, 0)).contains("/P <</MCID 0>> BDC\nq 1 0.87843 0.25098 rg").doesNotContain("Artifact");
        assertThat(CorrectedFile.letters(file, 0)).as("nothing moves").containsExactlyElementsOf(CorrectedFile.letters(source, 0));
        Path changed = inPlace(new CorrectedFile(root).dress(source, "today", look -> look.with(TextProperty.HIGHLIGHT, new Colour(0x40A0FF))
                .with(TextProperty.UNDERLINE, Underline.SINGLE).with(TextProperty.SIZE, 12.0))).receipt().file();
        assertThat(drawn(changed, "today", 8.0, 0x40A0FF)).isGreaterThan(0.8);
        assertThat(drawn(changed, "today", -1.2, 0)).isGreaterThan(0.9);
        assertThat(CorrectedFile.stream(changed, 0)).contains("/Artifact BMC q 0.25098 0.62745 1 rg");
    }

    /** Over two lines, which another correction above pushes down: each line gets its own, and goes along. */
    @Test void linesUnderWordsGoDownWithThem() throws IOException {
        Path source = file("BT /F1 11 Tf 72 668 Td 14 TL (Ask for the key.) Tj ET\n");
        Taken taken = Decant.open(source);
        Document dressed = Dressing.looks(taken.document(), CorrectedFile.find(taken.document(), "morning and closes"),
                look -> look.with(TextProperty.UNDERLINE, Underline.SINGLE)).after();
        String more = "Ask for the key at the counter of the office, or of whoever is there when nobody is at the counter, as it may be.";
        Document both = Typing.type(dressed, CorrectedFile.find(dressed, "Ask for the key."), more, null).after();
        Made made = inPlace(new CorrectedFile(root).made(source, taken, both, Recipe.PLAIN));
        Path file = made.receipt().file();
        assertThat(letters(file, "morning").get(0).getYDirAdj()).isGreaterThan(letters(source, "morning").get(0).getYDirAdj() + 10);
        for (String words : List.of("morning and", "closes")) assertThat(drawn(file, words, -1.1, 0)).as(words).isGreaterThan(0.98);
        assertThat(drawn(file, "at noon", -1.1, 0)).isLessThan(0.2);
        Path plain = inPlace(new CorrectedFile(root).dress(file, "closes", look -> look.without(TextProperty.UNDERLINE))).receipt().file();
        assertThat(drawn(plain, "closes", -1.1, 0)).isLessThan(0.2);
        assertThat(drawn(plain, "morning and", -1.1, 0)).as("what is beside it keeps its line").isGreaterThan(0.98);
    }

    /** Letters that are outlined, and a form whose colour is its caller's, are not painted otherwise there: the page is set anew, and that is told. */
    @Test void whatIsPaintedOtherwiseIsRefused() throws IOException {
        Made outlined = coloured(file("BT 2 Tr /F1 14 Tf 72 760 Td (Harbour sale) Tj 0 Tr ET\n"), "sale", 0xC00000);
        assertThat(outlined.pages().rewritten(0)).isNull();
        assertThat(outlined.findings()).anyMatch(finding -> finding.contains("its colour is set elsewhere, or its letters are outlined"));
        Path plain = file("0 0.4 0 rg /Sign Do 0 g\n");
        Path source = root.resolve("formed.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            PDPage page = pdf.getPage(0);
            PDFormXObject form = new PDFormXObject(pdf);
            form.setBBox(new PDRectangle(600, 840));
            form.setMatrix(AffineTransform.getTranslateInstance(20, -30));
            form.setResources(page.getResources());
            try (OutputStream out = form.getStream().createOutputStream()) {
                out.write("2 0 0 2 -72 -780 cm BT /F1 6 Tf 72 770 Td (Mind the gap) Tj ET".getBytes(StandardCharsets.US_ASCII));
            }
            page.getResources().put(COSName.getPDFName("Sign"), form);
            pdf.save(source.toFile());
        }
        Made formed = coloured(source, "the gap", 0xC00000);
        assertThat(formed.pages().rewritten(0)).isNull();
        assertThat(formed.findings()).anyMatch(finding -> finding.contains("its colour is set elsewhere"));
        assertThat(isPainted(formed.receipt().file(), "the gap", 0xC00000)).isTrue();
        // A line has the colour that is in force, wherever that comes from.
        Made lined = inPlace(new CorrectedFile(root).dress(source, "the gap", look -> look.with(TextProperty.UNDERLINE, Underline.SINGLE)));
        assertThat(drawn(lined.receipt().file(), "the gap", -1.2, 0x006600)).isGreaterThan(0.98);
    }
}
