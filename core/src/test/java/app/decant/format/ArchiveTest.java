package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.format.odf.OdfFormat;
import app.decant.layout.Sample;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;
import org.junit.jupiter.api.Test;

/** Archives as other writers pack them (APPNOTE 4.3): by hand, byte for byte. */
class ArchiveTest {
    private static final int STORED = 0;
    private static final int SIZES_BEHIND = 1 << 3;

    /** Parts that are not compressed, with their sizes behind them (4.4.4): encrypted parts of text documents are packed so. */
    private static byte[] sizesBehind(Map<String, byte[]> parts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteArrayOutputStream directory = new ByteArrayOutputStream();
        for (Map.Entry<String, byte[]> part : parts.entrySet()) {
            byte[] name = part.getKey().getBytes(StandardCharsets.UTF_8);
            byte[] bytes = part.getValue();
            CRC32 sum = new CRC32();
            sum.update(bytes);
            boolean plain = part.getKey().equals("mimetype");
            int at = out.size();
            int flags = plain ? 0 : SIZES_BEHIND;
            out.write(record(0x04034B50, 30).putShort(20).putShort(flags).putShort(STORED).putInt(0).putInt(plain ? (int) sum.getValue() : 0)
                    .putInt(plain ? bytes.length : 0).putInt(plain ? bytes.length : 0).putShort(name.length).putShort(0).bytes());
            out.write(name);
            out.write(bytes);
            if (!plain) out.write(record(0x08074B50, 16).putInt((int) sum.getValue()).putInt(bytes.length).putInt(bytes.length).bytes());
            directory.write(record(0x02014B50, 46).putShort(20).putShort(20).putShort(flags).putShort(STORED).putInt(0).putInt((int) sum.getValue())
                    .putInt(bytes.length).putInt(bytes.length).putShort(name.length).putShort(0).putShort(0).putShort(0).putShort(0).putInt(0).putInt(at)
                    .bytes());
            directory.write(name);
        }
        int at = out.size();
        directory.writeTo(out);
        out.write(record(0x06054B50, 22).putInt(0).putShort(parts.size()).putShort(parts.size()).putInt(directory.size()).putInt(at).putShort(0).bytes());
        return out.toByteArray();
    }

    private static Fields record(int signature, int size) { return new Fields(ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN)).putInt(signature); }

    /** Fields of a record, one behind another. */
    private record Fields(ByteBuffer buffer) {
        Fields putInt(int value) {
            buffer.putInt(value);
            return this;
        }

        Fields putShort(int value) {
            buffer.putShort((short) value);
            return this;
        }

        byte[] bytes() {
            assertThat(buffer.remaining()).isZero();
            return buffer.array();
        }
    }

    private static byte[] document() {
        Document document = Sample.of(List.of(Paragraph.of("The ferry sails at eight.")));
        return OdfFormat.ODT.write(document, Instant.EPOCH).bytes();
    }

    private static String text(byte[] file) {
        return Formats.read(file, "notice.odt", null, Progress.SILENT).document().blocks().get(0) instanceof Paragraph one ? one.text() : "";
    }

    @Test void partsWhoseSizesStandBehindThem() throws IOException {
        Map<String, byte[]> parts = Archive.parts(document());
        byte[] file = sizesBehind(parts);
        assertThat(Archive.parts(file)).containsExactlyEntriesOf(parts);
        assertThat(Formats.of(file)).isEqualTo(OdfFormat.ODT);
        assertThat(text(file)).isEqualTo("The ferry sails at eight.");
    }

    /** Some mailers spoil the end of files: what the parts tell themselves is enough. */
    @Test void aDirectoryThatCannotBeRead() {
        byte[] file = document();
        int end = file.length - 22;
        byte[] spoiled = file.clone();
        Arrays.fill(spoiled, end + 16, end + 20, (byte) 0x7F);
        assertThat(text(spoiled)).isEqualTo("The ferry sails at eight.");
        assertThatThrownBy(() -> text(Arrays.copyOf(file, file.length / 2))).isInstanceOf(DecantException.class);
    }

    @Test void namesAreNoPlacesOnTheDisk() {
        byte[] parts = Archive.packed(null, Map.of("a/../../b", new byte[] {1}));
        assertThat(Archive.parts(parts).keySet()).containsExactly("a/../../b");
    }
}
