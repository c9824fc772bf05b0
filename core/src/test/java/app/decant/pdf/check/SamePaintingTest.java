package app.decant.pdf.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.junit.jupiter.api.Test;

/** Whether marks of content are all that was put into a stream (ISO 32000-2, 14.6): everything else that is another is noticed. */
class SamePaintingTest {
    private static final String PLAIN = "q 1 0 0 1 9 9 cm BT /F1 9 Tf 12 TL 72 700 Td (1. One) Tj [(Two) -120 (Three)] TJ (Four) ' 1 0.5 (Five) \" ET Q "
            + "0.5 g 10 10 20 20 re f /X Do";

    private static PDPage page(PDDocument pdf, String content, String form) throws IOException {
        COSDictionary objects = new COSDictionary();
        COSStream called = stream(pdf, form);
        called.setItem(COSName.SUBTYPE, COSName.FORM);
        objects.setItem(COSName.getPDFName(content.contains("/Y Do") ? "Y" : "X"), called);
        COSDictionary resources = new COSDictionary();
        resources.setItem(COSName.XOBJECT, objects);
        PDPage page = new PDPage();
        page.setResources(new PDResources(resources));
        page.getCOSObject().setItem(COSName.CONTENTS, stream(pdf, content));
        return page;
    }

    private static COSStream stream(PDDocument pdf, String content) throws IOException {
        COSStream stream = pdf.getDocument().createCOSStream();
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(content.getBytes(StandardCharsets.ISO_8859_1));
        }
        return stream;
    }

    private static boolean same(String content, String form) throws IOException {
        try (PDDocument pdf = new PDDocument()) {
            return SamePainting.of(page(pdf, PLAIN, "1 w 0 0 m 9 9 l S"), page(pdf, content, form));
        }
    }

    @Test void marksAndPartedTextPaintTheSame() throws IOException {
        String marked = "q 1 0 0 1 9 9 cm BT /F1 9 Tf 12 TL 72 700 Td /Lbl <</MCID 0>> BDC [<312E>] TJ EMC /P <</MCID 1>> BDC [<204F6E65>] TJ "
                + "[(T) (wo) -120] TJ [(Three)] TJ T* (Four) Tj 1 Tw 0.5 Tc T* (Five) Tj EMC ET Q /Artifact BMC 0.50 g 10 10 20 20 re f EMC /Y Do";
        assertThat(same(marked, "/P <</MCID 0>> BDC 1 w 0 0 m 9 9 l S EMC")).isTrue();
    }

    @Test void whateverElseIsAnotherIsNoticed() throws IOException {
        assertThat(same(PLAIN, "1 w 0 0 m 9 9 l S")).isTrue();
        assertThat(same(PLAIN, "1 w 0 0 m 9 8 l S")).as("a form that paints otherwise").isFalse();
        List<String[]> changes = List.of(new String[] {"One", "Owe"}, new String[] {"-120", "-121"}, new String[] {"0.5 g", "0.6 g"},
                new String[] {" re f", " re S"},
                new String[] {"(Four) '", "(Four) Tj"}, new String[] {"1 0.5 (", "1 0.6 ("}, new String[] {"/F1 9", "/F2 9"}, new String[] {"q 1", "1"},
                new String[] {" /X Do", ""}, new String[] {"ET Q", "ET Q q Q"}, new String[] {"(Two)", "(Two) 0"});
        for (String[] change : changes) assertThat(same(PLAIN.replace(change[0], change[1]), "1 w 0 0 m 9 9 l S")).as(change[1]).isFalse();
    }
}
