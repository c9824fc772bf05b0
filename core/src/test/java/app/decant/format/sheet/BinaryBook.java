package app.decant.format.sheet;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes binary workbooks record by record ([MS-XLSB] 2.1.4), as the clauses say; POI reads them in the tests that use it. */
final class BinaryBook {
    private static final String TYPES = "http://schemas.openxmlformats.org/package/2006/content-types";
    private static final String RELATIONS = "http://schemas.openxmlformats.org/package/2006/relationships";
    private static final String ROLES = "http://schemas.openxmlformats.org/officeDocument/2006/relationships/";
    private static final String KIND = "application/vnd.ms-excel.";
    private static final int MOST = 1 << 16;

    private final Map<String, byte[]> parts = new LinkedHashMap<>();

    /** The records of a part. */
    static final class Part {
        private final ByteArrayOutputStream out = new ByteArrayOutputStream();

        /** What is told as a string is letters with their number, as an int four bytes, as a short two, as a byte one. */
        Part record(int type, Object... values) {
            byte[] content = bytes(values);
            number(type);
            number(content.length);
            out.writeBytes(content);
            return this;
        }

        private void number(int number) {
            int rest = number;
            while (rest > 0x7F) {
                out.write(rest & 0x7F | 0x80);
                rest >>= 7;
            }
            out.write(rest);
        }
    }

    static byte[] bytes(Object... values) {
        ByteBuffer bytes = ByteBuffer.allocate(MOST).order(ByteOrder.LITTLE_ENDIAN);
        for (Object value : values) {
            if (value instanceof Integer whole) bytes.putInt(whole);
            else if (value instanceof Short half) bytes.putShort(half);
            else if (value instanceof Byte one) bytes.put(one);
            else if (value instanceof Double real) bytes.putDouble(real);
            else if (value instanceof byte[] raw) bytes.put(raw);
            else if (value instanceof String text) {
                bytes.putInt(text.length());
                for (char letter : text.toCharArray()) bytes.putChar(letter);
            }
        }
        byte[] told = new byte[bytes.position()];
        bytes.flip().get(told);
        return told;
    }

    /** A cell's column and style (2.5.9). */
    static byte[] cell(int column, int style) { return bytes(column, (short) style, (byte) 0, (byte) 0); }

    /** A formula's operators, and what follows them (2.5.97.4). */
    static byte[] formula(byte[] operators, byte[] more) { return bytes((short) 0, operators.length, operators, more.length, more); }

    /** A reference to a cell that moves with its formula (2.5.97.86). */
    static byte[] reference(int row, int column) { return bytes((byte) 0x44, row, (short) (column | 0xC000)); }

    BinaryBook part(String name, Part records) {
        parts.put(name, records.out.toByteArray());
        return this;
    }

    void write(Path file) throws IOException {
        try (OutputStream out = Files.newOutputStream(file); ZipOutputStream zip = new ZipOutputStream(out)) {
            StringBuilder types = new StringBuilder("<Types xmlns='" + TYPES + "'><Default Extension='rels' ContentType='"
                    + "application/vnd.openxmlformats-package.relationships+xml'/><Default Extension='bin' ContentType='" + KIND
                    + "sheet.binary.macroEnabled.main'/>");
            StringBuilder book = new StringBuilder("<Relationships xmlns='" + RELATIONS + "'>");
            for (String name : parts.keySet()) {
                String role = name.startsWith("sheet") ? "worksheet" : name;
                if (name.equals("workbook")) continue;
                types.append("<Override PartName='/xl/").append(name).append(".bin' ContentType='" + KIND).append(role).append("'/>");
                book.append("<Relationship Id='").append(name).append("' Type='" + ROLES).append(role).append("' Target='").append(name).append(".bin'/>");
            }
            put(zip, "[Content_Types].xml", types + "</Types>");
            put(zip, "_rels/.rels", "<Relationships xmlns='" + RELATIONS + "'><Relationship Id='a' Type='" + ROLES
                    + "officeDocument' Target='xl/workbook.bin'/></Relationships>");
            put(zip, "xl/_rels/workbook.bin.rels", book + "</Relationships>");
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry("xl/" + part.getKey() + ".bin"));
                zip.write(part.getValue());
            }
        }
    }

    private static void put(ZipOutputStream zip, String name, String markup) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(markup.getBytes(StandardCharsets.UTF_8));
    }
}
