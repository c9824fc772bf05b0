package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.Content;
import app.decant.format.Formats;
import app.decant.recover.line.OpticalReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.junit.jupiter.api.Test;

/** PDFs that are broken, hostile, locked or protected: a sentence, or what can be read with what is lost told; never a hang or a crash. */
class BrokenPdfTest {
    private static byte[] good() {
        try (PdfSketch sketch = new PdfSketch()) {
            for (int i = 0; i < 5; i++) {
                if (i > 0) sketch.page();
                sketch.lines(72, 100, "Page " + i + " tells of the harbour office and its", "keys, of ramps and ropes.");
            }
            return sketch.bytes();
        }
    }

    private static Recovered open(byte[] pdf, String password) { return Recovery.of(pdf, "notice.pdf", password, FontCatalogue.shipped(), Progress.SILENT); }

    /** ISO 32000-2, 7.5.2: without its header, and behind a letter that it came with. The cross-references then tell other places than there are. */
    @Test void headersAreMissedByNobody() {
        byte[] good = good();
        String letter = "From: office@ferries.example\n" + "Received: by the harbour office\n".repeat(200);
        byte[] behind = (letter + new String(good, StandardCharsets.ISO_8859_1)).getBytes(StandardCharsets.ISO_8859_1);
        int begins = new String(good, StandardCharsets.ISO_8859_1).indexOf(" 0 obj") - 1;
        for (byte[] pdf : List.of(Arrays.copyOfRange(good, begins, good.length), behind)) {
            assertThat(Formats.of(new Content(pdf, "notice"))).isSameAs(FixedFormat.PDF);
            assertThat(open(pdf, null).document().blocks()).isEqualTo(open(good, null).document().blocks());
        }
        byte[] about = "A PDF ends with startxref, a number and %%EOF".getBytes(StandardCharsets.US_ASCII);
        assertThat(Formats.of(new Content(about, "notice.pdf"))).isNotSameAs(FixedFormat.PDF);
    }

    private static void refuses(byte[] pdf, String password, Kind kind, String... words) {
        assertThatThrownBy(() -> open(pdf, password)).isInstanceOfSatisfying(DecantException.class, e -> assertThat(e.kind()).isEqualTo(kind))
                .hasMessageContainingAll(words);
    }

    @Test void whatIsNoPdfIsRefusedInASentence() {
        refuses("%PDF-1.4\nnothing of the kind".getBytes(StandardCharsets.US_ASCII), null, Kind.UNREADABLE, "notice.pdf is damaged");
    }

    @Test void aFileCutShortIsReadAsFarAsItGoesOrRefused() {
        byte[] good = good();
        for (int cut = 20; cut < good.length; cut += good.length / 20) {
            byte[] part = Arrays.copyOf(good, cut);
            try {
                assertThat(open(part, null).pages()).isPositive();
            } catch (DecantException e) {
                assertThat(e.kind()).isEqualTo(Kind.UNREADABLE);
            }
        }
    }

    @Test void scatteredDamageIsSurvived() {
        byte[] good = good();
        Random random = new Random(7);
        for (int round = 0; round < 25; round++) {
            byte[] damaged = good.clone();
            for (int i = 0; i < 40; i++) damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            try {
                open(damaged, null);
            } catch (DecantException e) {
                assertThat(e.getMessage()).startsWith("notice.pdf");
            }
        }
    }

    @Test void aBrokenCrossReferenceTableIsRepaired() {
        String text = new String(good(), StandardCharsets.ISO_8859_1);
        int at = text.lastIndexOf("startxref");
        byte[] broken = (text.substring(0, at) + "startxref\n17\n%%EOF").getBytes(StandardCharsets.ISO_8859_1);
        assertThat(open(broken, null).document().blocks()).isNotEmpty();
    }

    @Test void aLoopInTheTreeOfPagesEnds() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "The only page.");
            COSDictionary pages = sketch.pdf.getPages().getCOSObject();
            sketch.out.close();
            COSArray kids = pages.getCOSArray(COSName.KIDS);
            kids.add(pages);
            pages.setInt(COSName.COUNT, 1_000_000);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            sketch.pdf.save(bytes);
            try {
                assertThat(open(bytes.toByteArray(), null).pages()).isPositive();
            } catch (DecantException e) {
                assertThat(e.kind()).isIn(Kind.UNREADABLE, Kind.UNSUPPORTED);
            }
        }
    }

    @Test void aPageThatDrawsItselfForEverEnds() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "Before the loop.");
            PDFormXObject form = new PDFormXObject(sketch.pdf);
            form.setBBox(new PDRectangle(100, 100));
            form.setResources(new PDResources());
            form.getResources().put(COSName.getPDFName("Again"), form);
            try (OutputStream out = form.getContentStream().createOutputStream()) {
                out.write("/Again Do /Again Do".getBytes(StandardCharsets.US_ASCII));
            }
            sketch.out.drawForm(form);
            assertThat(sketch.recovered().document().blocks()).isNotEmpty();
        }
    }

    @Test void aPictureOfAbsurdSizeIsLeftOutAndTold() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "A picture should be here.");
            PDImageXObject image =
                    LosslessFactory.createFromImage(sketch.pdf, new BufferedImage(4, 4,
                    BufferedImage.TYPE_INT_RGB));
            image.setWidth(400_000);
            image.setHeight(400_000);
            sketch.out.drawImage(image, 100, 300, 200, 200);
            assertThat(sketch.recovered().findings()).anyMatch(finding -> finding.what().contains("picture on page 1 can't be read"));
        }
    }

    @Test void lettersThatNothingExplainsAreToldAsLost() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            // A Type 3 font whose glyphs have names that mean nothing (ISO 32000-1, 9.6.5).
            COSDictionary procedures = new COSDictionary();
            COSStream glyph = new COSStream();
            try (OutputStream out = glyph.createOutputStream()) {
                out.write("600 0 0 0 500 500 d1 0 0 500 500 re f".getBytes(StandardCharsets.US_ASCII));
            }
            procedures.setItem(COSName.getPDFName("x1"), glyph);
            COSDictionary encoding = new COSDictionary();
            encoding.setItem(COSName.DIFFERENCES, new COSArray(List.of(COSInteger.get(65), COSName.getPDFName("x1"))));
            COSDictionary font = new COSDictionary();
            font.setItem(COSName.TYPE, COSName.FONT);
            font.setItem(COSName.SUBTYPE, COSName.TYPE3);
            font.setItem(COSName.FONT_BBOX, new PDRectangle(600, 600));
            font.setItem(COSName.getPDFName("FontMatrix"), numbers(0.001f, 0, 0, 0.001f, 0, 0));
            font.setItem(COSName.CHAR_PROCS, procedures);
            font.setItem(COSName.ENCODING, encoding);
            font.setInt(COSName.FIRST_CHAR, 65);
            font.setInt(COSName.LAST_CHAR, 65);
            font.setItem(COSName.WIDTHS, numbers(600f));
            sketch.out.close();
            sketch.page.setResources(new PDResources());
            COSDictionary fonts = new COSDictionary();
            fonts.setItem(COSName.getPDFName("T"), font);
            sketch.page.getResources().getCOSObject().setItem(COSName.FONT, fonts);
            PDStream content = new PDStream(sketch.pdf);
            try (OutputStream out = content.createOutputStream()) {
                out.write(("BT /T 12 Tf 72 700 Td (" + "A".repeat(60) + ") Tj ET").getBytes(StandardCharsets.US_ASCII));
            }
            sketch.page.setContents(content);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            sketch.pdf.save(bytes);
            Recovered recovered = open(bytes.toByteArray(), null);
            assertThat(recovered.findings()).anyMatch(finding -> finding.what().startsWith("Page 1 does not tell which letters its signs stand for"));
            assertThat(recovered.document().blocks()).isNotEmpty();
        }
    }

    private static COSArray numbers(float... values) {
        COSArray array = new COSArray();
        array.setFloatArray(values);
        return array;
    }

    @Test void aScanSaysWhatWouldMakeItReadable() {
        BufferedImage scan = new BufferedImage(600, 840, BufferedImage.TYPE_BYTE_GRAY);
        try (PdfSketch sketch = new PdfSketch()) {
            Recovered recovered = sketch.picture(0, 0, 595, 842, scan).recovered();
            assertThat(recovered.findings()).anyMatch(finding -> finding.what().contains("Page 1 is a scan") && (OpticalReader.isHere() || finding.what()
                    .contains("install the package tesseract-ocr")));
        }
    }

    @Test void aProtectedPdfAsksForItsPasswordAndALockedOneForItsOwner() throws IOException {
        AccessPermission noCopies = new AccessPermission();
        noCopies.setCanExtractContent(false);
        byte[] secret = protectedBy(new StandardProtectionPolicy("owner", "tide", noCopies));
        refuses(secret, null, Kind.NEEDS_PASSWORD, "protected by a password to open");
        refuses(secret, "ebb", Kind.NEEDS_PASSWORD, "not the password");
        refuses(secret, "tide", Kind.NOT_PERMITTED, "locked by its owner");
        assertThat(open(secret, "owner").document().blocks()).isNotEmpty();
    }

    private static byte[] protectedBy(StandardProtectionPolicy policy) throws IOException {
        policy.setEncryptionKeyLength(256);
        try (PDDocument pdf = Loader.loadPDF(good())) {
            pdf.protect(policy);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            pdf.save(out);
            return out.toByteArray();
        }
    }

    @Test void takingInStopsWhenAsked() {
        assertThatThrownBy(() -> Recovery.of(good(), "notice.pdf", null, FontCatalogue.shipped(), (done, total, what) -> done < 2))
                .isInstanceOfSatisfying(DecantException.class, e -> assertThat(e.kind()).isEqualTo(Kind.CANCELLED));
    }
}
