package app.decant.format.kept;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Bytes that stand beside the values, each once, however often they are named. */
final class Bytes {
    private final List<byte[]> all = new ArrayList<>();
    private final Map<Key, Integer> known = new HashMap<>();

    /** Bytes by what they are; equal ones are one. */
    private record Key(byte[] bytes) {
        @Override public boolean equals(Object other) { return other instanceof Key key && Arrays.equals(bytes, key.bytes); }
        @Override public int hashCode() { return Arrays.hashCode(Arrays.copyOf(bytes, Math.min(bytes.length, 256))) * 31 + bytes.length; }
    }

    /** The number of some bytes. */
    int number(byte[] bytes) {
        return known.computeIfAbsent(new Key(bytes), key -> {
            all.add(bytes);
            return all.size() - 1;
        });
    }

    List<byte[]> all() { return all; }
}
