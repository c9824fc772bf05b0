package app.decant.pdf.write;

import app.decant.pdf.lock.DocumentLock;
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
public final class ObjectBytes {
    private static final int IN_THE_CLEAR = 0;

    private final Map<COSObjectKey, Integer> numbers;
    private final DocumentLock lock;
    private int at = IN_THE_CLEAR;

    /**
     * @param numbers the new number of every object that is referred to
     * @param lock    by which text and data are encrypted, or null
     */
    ObjectBytes(Map<COSObjectKey, Integer> numbers, DocumentLock lock) {
        this.numbers = numbers;
        this.lock = lock;
    }

    /** A whole indirect object. */
    byte[] object(int number, COSBase value) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        at = number;
        ascii(out, number + " 0 obj\n");
        if (value instanceof COSStream stream) {
            if (lock != null) lock.encryptStream(stream, number, 0);
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
        at = IN_THE_CLEAR;
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
            COSString told = new COSString(string.getBytes());
            if (lock != null && at != IN_THE_CLEAR) lock.encryptString(told, at, 0);
            ascii(out, "<" + told.toHexString() + ">");
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
