package app.decant.format.binary;

import java.util.Arrays;

/** A list of property modifiers (MS-DOC 2.2.5, Prl): each a code that also tells how long its operand is, and the operand. */
final class Properties {
    private final Bytes bytes = new Bytes();

    Properties one(int code, int value) {
        bytes.two(code).one(value);
        return this;
    }

    Properties flag(int code, boolean on) { return one(code, on ? 1 : 0); }

    Properties two(int code, int value) {
        bytes.two(code).two(value);
        return this;
    }

    Properties four(int code, long value) {
        bytes.two(code).four(value);
        return this;
    }

    /** An operand that tells its length in one byte. */
    Properties variable(int code, byte[] operand) {
        bytes.two(code).one(operand.length).all(operand);
        return this;
    }

    /** An operand that tells its length in two bytes, one more than it has (sprmTDefTable only, 2.9.313). */
    Properties counted(int code, byte[] operand) {
        bytes.two(code).two(operand.length + 1).all(operand);
        return this;
    }

    /** The width of a column or of what follows it (2.9.234): its number and three bytes in all. */
    Properties columnLength(int code, int column, int value) {
        bytes.two(code).one(column).two(value);
        return this;
    }

    Properties all(Properties others) {
        bytes.all(others.bytes);
        return this;
    }

    byte[] toBytes() { return bytes.toBytes(); }
    boolean isEmpty() { return bytes.size() == 0; }

    @Override public boolean equals(Object other) { return other instanceof Properties properties && Arrays.equals(toBytes(), properties.toBytes()); }
    @Override public int hashCode() { return Arrays.hashCode(toBytes()); }
}
