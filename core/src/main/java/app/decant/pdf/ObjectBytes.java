package app.decant.pdf;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/** Objects of a PDF as bytes (ISO 32000-1, 7.3), under numbers of the caller's choice. */
final class ObjectBytes {
    private final Map<COSObjectKey, Integer> numbers;

    /** @param numbers the new number of every object that is referred to */
    ObjectBytes(Map<COSObjectKey, Integer> numbers) { this.numbers = numbers; }

    /** A whole indirect object. */
    byte[] object(int number, COSBase value) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ascii(out, number + " 0 obj\n");
        if (value instanceof COSStream stream) {
            byte[] data;
            try (InputStream in = stream.createRawInputStream()) {
                data = in.readAllBytes();
            }
            stream.setInt(COSName.LENGTH, data.length);
            write(out, stream);
            ascii(out, "\nstream\n");
            out.write(data);
            ascii(out, "\nendstream");
        } else {
            write(out, value);
        }
        ascii(out, "\nendobj\n");
        return out.toByteArray();
    }

    void write(ByteArrayOutputStream out, COSBase value) throws IOException {
        if (value instanceof COSObject reference) {
            Integer number = numbers.get(reference.getKey());
            ascii(out, number == null ? "null" : number + " 0 R");
        } else if (value instanceof COSDictionary dictionary) {
            ascii(out, "<<");
            for (Map.Entry<COSName, COSBase> entry : dictionary.entrySet()) {
                name(out, entry.getKey());
                ascii(out, " ");
                write(out, entry.getValue());
                ascii(out, " ");
            }
            ascii(out, ">>");
        } else if (value instanceof COSArray array) {
            ascii(out, "[");
            for (int i = 0; i < array.size(); i++) {
                if (i > 0) ascii(out, " ");
                write(out, array.get(i));
            }
            ascii(out, "]");
        } else if (value instanceof COSName name) {
            name(out, name);
        } else if (value instanceof COSString string) {
            ascii(out, "<" + string.toHexString() + ">");
        } else if (value instanceof COSInteger integer) {
            ascii(out, Long.toString(integer.longValue()));
        } else if (value instanceof COSFloat number) {
            number.writePDF(out);
        } else if (value instanceof COSBoolean flag) {
            ascii(out, flag.getValue() ? "true" : "false");
        } else {
            ascii(out, "null");
        }
    }

    private static void name(ByteArrayOutputStream out, COSName name) throws IOException { name.writePDF(out); }

    static void ascii(ByteArrayOutputStream out, String text) { out.writeBytes(text.getBytes(StandardCharsets.ISO_8859_1)); }
}
