package app.decant.format.binary;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** The fonts a file names (MS-DOC 2.9.286, SttbfFfn); text refers to them by number. */
final class FontTable {
    private final Map<String, Integer> numbers = new LinkedHashMap<>();

    int number(String family) {
        Integer known = numbers.get(family);
        if (known != null) return known;
        numbers.put(family, numbers.size());
        return numbers.size() - 1;
    }

    byte[] toBytes() {
        Bytes table = new Bytes().two(numbers.size()).two(0);
        for (String family : numbers.keySet()) {
            // 2.9.89: pitch and kind, weight, character set, no other name, no classification, no signature.
            Bytes font = new Bytes().one(0x04 | kind(family)).two(400).one(0).one(0).zeros(10).zeros(24).text(family).two(0);
            table.one(font.size()).all(font);
        }
        return table.toBytes();
    }

    private static int kind(String family) {
        String lower = family.toLowerCase(Locale.ROOT);
        if (lower.contains("mono") || lower.contains("courier") || lower.contains("consol")) return 0x31;
        return lower.contains("sans") || lower.contains("arial") || lower.contains("calibri") || lower.contains("carlito") || lower.contains("helvet") ? 0x22
                : 0x12;
    }
}
