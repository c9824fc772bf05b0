package app.decant.pdf;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** A page of A4 whose stream is written by hand, operator by operator. */
public final class HandmadePage {
    private HandmadePage() { }

    /** Adds one to a file, and gives it. */
    public static PDPage add(PDDocument pdf, PDResources resources, String content) throws IOException {
        PDPage page = new PDPage(PDRectangle.A4);
        page.setResources(resources);
        COSStream stream = pdf.getDocument().createCOSStream();
        try (OutputStream out = stream.createOutputStream()) {
            out.write(content.getBytes(StandardCharsets.ISO_8859_1));
        }
        page.getCOSObject().setItem(COSName.CONTENTS, stream);
        pdf.addPage(page);
        return page;
    }
}
