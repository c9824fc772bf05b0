package app.decant.format.binary;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;

/** Bytes that grow, least significant first, as all binary office formats have them. */
final class Bytes {
    private final ByteArrayOutputStream out = new ByteArrayOutputStream();

    int size() { return out.size(); }
    byte[] toBytes() { return out.toByteArray(); }

    Bytes one(int value) {
        out.write(value);
        return this;
    }

    Bytes two(int value) { return one(value).one(value >> 8); }
    Bytes four(long value) { return two((int) value).two((int) (value >> 16)); }

    Bytes all(byte[] bytes) {
        out.writeBytes(bytes);
        return this;
    }

    Bytes all(Bytes bytes) { return all(bytes.toBytes()); }
    Bytes zeros(int count) { return all(new byte[count]); }

    /** UTF-16 without a length or an end. */
    Bytes text(String text) { return all(text.getBytes(StandardCharsets.UTF_16LE)); }

    /** Zeros up to a multiple. */
    Bytes upTo(int multiple) { return zeros((multiple - size() % multiple) % multiple); }
}
