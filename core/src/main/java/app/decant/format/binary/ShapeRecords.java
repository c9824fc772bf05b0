package app.decant.format.binary;

import app.decant.format.shape.OfficeShape;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import org.apache.poi.ddf.AbstractEscherOptRecord;
import org.apache.poi.ddf.EscherComplexProperty;
import org.apache.poi.ddf.EscherContainerRecord;
import org.apache.poi.ddf.EscherProperty;
import org.apache.poi.ddf.EscherRecord;
import org.apache.poi.ddf.EscherSimpleProperty;
import org.apache.poi.ddf.EscherSpRecord;

/** What the records of a drawn shape tell of it (MS-ODRAW 2.2.14, 2.2.9 and 2.2.10). */
final class ShapeRecords implements OfficeShape.Properties {
    /** Numbers in a row come after so many bytes, which say how many they are and how long (2.2.51). */
    private static final int ARRAY_HEADER = 6;
    /** Two numbers of two bytes each. */
    private static final int SHORT_POINTS = 0xFFF0;
    /** Above a switch it is said whether it is meant. */
    private static final int MEANT = 16;

    private final Map<Integer, Integer> numbers = new HashMap<>();
    private final Map<Integer, byte[]> bytes = new HashMap<>();

    private ShapeRecords(EscherContainerRecord shape) {
        for (EscherRecord record : shape.getChildRecords()) {
            if (!(record instanceof AbstractEscherOptRecord options)) continue;
            for (EscherProperty property : options.getEscherProperties()) {
                int number = property.getPropertyNumber();
                if (property instanceof EscherSimpleProperty simple) numbers.merge(number, simple.getPropertyValue(), isSwitches(number) ? ShapeRecords::both
                        : (first, second) -> first);
                else if (property instanceof EscherComplexProperty complex) bytes.putIfAbsent(number, complex.getComplexData());
            }
        }
    }

    /** Each set of properties ends with its switches (2.3). */
    private static boolean isSwitches(int property) { return (property & 0x3F) == 0x3F; }

    /** What the first says, and what the second says beyond it. */
    private static int both(int first, int second) {
        int open = second >>> MEANT & ~(first >>> MEANT);
        return first | second & open | open << MEANT;
    }

    /** The shape that a container stands for; null where it has no record that says what it is. */
    static OfficeShape of(EscherContainerRecord container) {
        EscherSpRecord record = container == null ? null : container.getChildById(EscherSpRecord.RECORD_ID);
        if (record == null) return null;
        int flags = record.getFlags();
        return new OfficeShape(record.getShapeType(), (flags & EscherSpRecord.FLAG_FLIPHORIZ) != 0, (flags & EscherSpRecord.FLAG_FLIPVERT) != 0,
                new ShapeRecords(container));
    }

    @Override public int number(int property, int otherwise) { return numbers.getOrDefault(property, otherwise); }

    @Override public boolean isOn(int property, int mask, boolean otherwise) {
        int told = number(property, 0);
        return (told & mask << MEANT) == 0 ? otherwise : (told & mask) != 0;
    }

    @Override public int[] numbers(int property) {
        byte[] data = bytes.get(property);
        if (data == null || data.length < ARRAY_HEADER) return null;
        int count = Modifiers.two(data, 0);
        int told = Modifiers.two(data, 4);
        int each = told == SHORT_POINTS ? 4 : told;
        boolean points = each == 4 && told == SHORT_POINTS || each == 8;
        int size = points ? each / 2 : each;
        if (size != 2 && size != 4 || ARRAY_HEADER + (long) count * each > data.length) return null;
        int[] numbers = new int[count * each / size];
        for (int i = 0; i < numbers.length; i++) {
            int at = ARRAY_HEADER + i * size;
            numbers[i] = size == 4 ? Modifiers.four(data, at) : points ? (short) Modifiers.two(data, at) : Modifiers.two(data, at);
        }
        return numbers;
    }

    @Override public String words(int property) {
        byte[] data = bytes.get(property);
        if (data == null) return null;
        String words = new String(data, StandardCharsets.UTF_16LE);
        int end = words.indexOf('\0');
        return end < 0 ? words : words.substring(0, end);
    }
}
