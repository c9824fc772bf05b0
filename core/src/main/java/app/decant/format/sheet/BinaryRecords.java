package app.decant.format.sheet;

import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.words.Message;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** The records of a part of a binary workbook of the newest generation, one after another ([MS-XLSB] 2.1.4), and what they hold. */
final class BinaryRecords {
    private static final int MOST_BYTES = 4;
    private static final int FREE = 0x7F;
    private static final int MOST_LETTERS = 1 << 20;

    private final ByteBuffer part;
    private ByteBuffer record;
    private int type;

    BinaryRecords(byte[] part) { this.part = ByteBuffer.wrap(part).order(ByteOrder.LITTLE_ENDIAN); }

    /** Goes on to the next record; false where there is none. */
    boolean next() {
        if (part.remaining() < 2) return false;
        type = number(2);
        int size = number(MOST_BYTES);
        if (size > part.remaining()) throw new DecantException(Kind.UNREADABLE, Message.of("sheet.records-break-off"));
        record = part.slice(part.position(), size).order(ByteOrder.LITTLE_ENDIAN);
        part.position(part.position() + size);
        return true;
    }

    /** Seven bits a byte, as many bytes as say that another follows. */
    private int number(int most) {
        int number = 0;
        for (int i = 0; i < most && part.hasRemaining(); i++) {
            int next = part.get() & 0xFF;
            number |= (next & FREE) << 7 * i;
            if (next <= FREE) break;
        }
        return number;
    }

    int type() { return type; }

    int left() { return record.remaining(); }

    int one() { return room(1).get() & 0xFF; }
    int two() { return room(2).getShort() & 0xFFFF; }
    int four() { return room(4).getInt(); }
    double real() { return room(8).getDouble(); }

    BinaryRecords skip(int bytes) {
        room(bytes);
        record.position(record.position() + bytes);
        return this;
    }

    /** Bytes that follow. */
    byte[] bytes(int count) {
        if (count < 0) throw new BufferUnderflowException();
        room(count);
        byte[] bytes = new byte[count];
        record.get(bytes);
        return bytes;
    }

    /** Letters with their number before them; null where none are told. */
    String text() {
        int count = four();
        if (count == -1) return null;
        if (count < 0 || count > MOST_LETTERS) throw new BufferUnderflowException();
        room(2 * count);
        char[] letters = new char[count];
        for (int i = 0; i < count; i++) letters[i] = record.getChar();
        return new String(letters);
    }

    /** A number in thirty bits (2.5.122): whole or the front of a long one, a hundredth of it where that is said. */
    double shortReal() {
        int told = four();
        double value = (told & 2) != 0 ? told >> 2 : Double.longBitsToDouble((told & 0xFFFFFFFCL) << 32);
        return (told & 1) != 0 ? value / 100 : value;
    }

    private ByteBuffer room(int bytes) {
        if (record.remaining() < bytes) throw new BufferUnderflowException();
        return record;
    }
}
