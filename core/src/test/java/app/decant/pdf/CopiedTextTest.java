package app.decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.Sample;
import app.decant.page.Piece;
import app.decant.pdf.write.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Text copied out of a PDF is the text that went in (ISO 32000-1, 9.10), read back by PDFBox. */
class CopiedTextTest {
    @Test void ligaturesComeOutAsLetters() throws IOException {
        Look look = Look.of(TextProperty.FAMILY, "Carlito").with(TextProperty.LIGATURES, true);
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("office waffle first flow afflict", look)));
        PagedDocument pages = Layout.of(Sample.of(List.of(paragraph)), FontCatalogue.shipped());
        Piece.Glyphs glyphs = (Piece.Glyphs) pages.page(0).lines().get(0).line().pieces().get(0);
        assertThat(glyphs.glyphs().length).as("the letters really are joined").isLessThan(glyphs.text().length());
        assertThat(copied(pages)).isEqualTo("office waffle first flow afflict");
    }

    @Test void capitalsAndSpecialSignsComeOutAsShown() throws IOException {
        Look capitals = Look.of(TextProperty.SMALL_CAPITALS, true);
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("Sound", capitals),
                new Inline.Text(" \u20AC 5 \u2013 \u201Cquoted\u201D \u0152uvre \u0141\u00F3d\u017A \u03B1\u03B2\u03B3 \u0416\u0443\u043A \u4F60\u597D "
                + "\u2713", Look.PLAIN)));
        assertThat(copied(Layout.of(Sample.of(List.of(paragraph)), FontCatalogue.shipped())))
                .isEqualTo("SOUND \u20AC 5 \u2013 \u201Cquoted\u201D \u0152uvre \u0141\u00F3d\u017A \u03B1\u03B2\u03B3 \u0416\u0443\u043A \u4F60\u597D \u2713");
    }

    @Test void arabicComesOutInReadingOrder() throws IOException {
        String text = "\u0645\u0631\u062D\u0628\u0627 \u0628\u0643\u0645";
        Paragraph paragraph = new Paragraph(null, Look.of(ParagraphProperty.RIGHT_TO_LEFT, true), Look.PLAIN,
                List.of(new Inline.Text(text, Look.PLAIN)));
        assertThat(copied(Layout.of(Sample.of(List.of(paragraph)), FontCatalogue.shipped()))).isEqualTo(text);
    }

    private static String copied(PagedDocument pages) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        PdfChoices choices = new PdfChoices(List.of(0), PdfStyle.PLAIN, Facts.NONE, Instant.EPOCH);
        PdfWriter.write(pages, choices, bytes, Progress.SILENT);
        try (PDDocument pdf = Loader.loadPDF(bytes.toByteArray())) {
            return new PDFTextStripper().getText(pdf).strip();
        }
    }

    @Test void anEmptyDocumentIsOneEmptyPage() throws IOException {
        assertThat(copied(Layout.of(Document.empty(), FontCatalogue.shipped()))).isEmpty();
    }
}
