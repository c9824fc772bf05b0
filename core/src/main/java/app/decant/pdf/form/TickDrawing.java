package app.decant.pdf.form;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;

/** What a box to tick looks like, empty or crossed, where its file does not draw it (ISO 32000-2, 12.7.5.2.3). */
public final class TickDrawing {
    private TickDrawing() { }

    /** Gives a widget both looks, the crossed one by the name that the field says then. */
    public static void give(PDDocument pdf, PDAnnotationWidget widget, COSName set) throws IOException {
        COSDictionary normal = new COSDictionary();
        normal.setItem(set, drawn(pdf, widget.getRectangle(), true));
        normal.setItem(COSName.Off, drawn(pdf, widget.getRectangle(), false));
        COSDictionary appearance = new COSDictionary();
        appearance.setItem(COSName.N, normal);
        // Some readers take what is only referred to here for one drawing instead of two.
        normal.setDirect(true);
        appearance.setDirect(true);
        widget.getCOSObject().setItem(COSName.AP, appearance);
    }

    private static COSStream drawn(PDDocument pdf, PDRectangle box, boolean crossed) throws IOException {
        float side = Math.min(Math.abs(box.getWidth()), Math.abs(box.getHeight()));
        COSStream stream = pdf.getDocument().createCOSStream();
        stream.setItem(COSName.TYPE, COSName.XOBJECT);
        stream.setItem(COSName.SUBTYPE, COSName.FORM);
        stream.setItem(COSName.BBOX, floats(0, 0, Math.abs(box.getWidth()), Math.abs(box.getHeight())));
        stream.setItem(COSName.RESOURCES, new COSDictionary());
        double left = (Math.abs(box.getWidth()) - side) / 2;
        double low = (Math.abs(box.getHeight()) - side) / 2;
        double in = side * 0.12;
        double cross = side * 0.26;
        ByteArrayOutputStream content = new ByteArrayOutputStream();
        content.writeBytes(ascii("q 1 0 0 1 %.2f %.2f cm 0.7 w 0 G %.2f %.2f %.2f %.2f re S ", left, low, in, in, side - 2 * in, side - 2 * in));
        if (crossed) content.writeBytes(ascii("1 w %.2f %.2f m %.2f %.2f l S %.2f %.2f m %.2f %.2f l S ", cross, cross, side - cross, side - cross, cross,
                side - cross, side - cross, cross));
        content.write('Q');
        try (OutputStream out = stream.createOutputStream()) {
            content.writeTo(out);
        }
        return stream;
    }

    private static byte[] ascii(String pattern, Object... values) { return String.format(Locale.ROOT, pattern, values).getBytes(StandardCharsets.US_ASCII); }

    private static COSArray floats(float... values) {
        COSArray array = new COSArray();
        for (float value : values) array.add(new COSFloat(value));
        return array;
    }
}
