package app.decant.bench;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/** Spoils files: bytes, numbers and parts, also of what lies inside a container; the same seed spoils in the same way. */
final class Mutation {
    private static final Pattern NUMBER = Pattern.compile("-?\\d+");
    private static final Pattern ELEMENT = Pattern.compile("<[A-Za-z][^<>/]*>[^<>]*</[^<>]*>|\\{[^{}]*\\}|<<[^<>]*>>");
    private static final String[] NUMBERS = {"0", "-1", "2147483647", "-2147483648", "99999999999999999999", "65536", "1e308", "NaN", "1000000"};

    private final Random random;
    private final TreeMutation trees;

    Mutation(Random random) {
        this.random = random;
        trees = new TreeMutation(random);
    }

    byte[] of(byte[] seed) throws IOException {
        byte[] made = seed;
        for (int times = 1 + random.nextInt(3); times > 0; times--) {
            boolean container = made.length > 4 && made[0] == 'P' && made[1] == 'K' && random.nextInt(6) > 0;
            made = container ? inside(made) : plain(made);
        }
        return made;
    }

    /** One part of a container spoiled, and the container put together again. */
    private byte[] inside(byte[] zip) throws IOException {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) parts.put(entry.getName(), in.readAllBytes());
        } catch (IOException | IllegalArgumentException e) {
            // A container that was spoiled before, or whose names are no text any more.
            return plain(zip);
        }
        if (parts.isEmpty()) return plain(zip);
        List<String> names = new ArrayList<>(parts.keySet());
        String name = names.get(random.nextInt(names.size()));
        if (random.nextInt(12) == 0) parts.remove(name);
        else parts.put(name, part(name, parts.get(name)));
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                out.putNextEntry(new ZipEntry(part.getKey()));
                out.write(part.getValue());
            }
        }
        return bytes.toByteArray();
    }

    private byte[] part(String name, byte[] bytes) {
        byte[] tree = name.matches(".*\\.(xml|rels|opf|xhtml|ncx)") && random.nextInt(3) > 0 ? trees.of(bytes) : null;
        return tree == null ? plain(bytes) : tree;
    }

    private byte[] plain(byte[] bytes) {
        if (bytes.length == 0) return new byte[] {(byte) random.nextInt()};
        return switch (random.nextInt(8)) {
            case 0, 1 -> flipped(bytes);
            case 2 -> cut(bytes, random.nextInt(bytes.length), random.nextInt(Math.min(bytes.length, 400)));
            case 3 -> repeated(bytes);
            case 4, 5 -> number(bytes);
            case 6 -> nested(bytes);
            default -> Arrays.copyOf(bytes, 1 + random.nextInt(bytes.length));
        };
    }

    private byte[] flipped(byte[] bytes) {
        byte[] made = bytes.clone();
        for (int i = 1 + random.nextInt(12); i > 0; i--) made[random.nextInt(made.length)] = (byte) random.nextInt();
        return made;
    }

    private static byte[] cut(byte[] bytes, int from, int count) {
        int to = Math.min(bytes.length, from + count);
        byte[] made = new byte[bytes.length - (to - from)];
        System.arraycopy(bytes, 0, made, 0, from);
        System.arraycopy(bytes, to, made, from, bytes.length - to);
        return made;
    }

    private byte[] repeated(byte[] bytes) {
        int from = random.nextInt(bytes.length);
        int to = Math.min(bytes.length, from + 1 + random.nextInt(300));
        int times = random.nextInt(10) == 0 ? 2000 : 1 + random.nextInt(20);
        ByteArrayOutputStream made = new ByteArrayOutputStream();
        made.write(bytes, 0, to);
        for (int i = 0; i < times; i++) made.write(bytes, from, to - from);
        made.write(bytes, to, bytes.length - to);
        return made.toByteArray();
    }

    private byte[] number(byte[] bytes) {
        String text = new String(bytes, StandardCharsets.ISO_8859_1);
        List<MatchResult> numbers = NUMBER.matcher(text).results().toList();
        if (numbers.isEmpty()) return flipped(bytes);
        MatchResult one = numbers.get(random.nextInt(numbers.size()));
        return (text.substring(0, one.start()) + NUMBERS[random.nextInt(NUMBERS.length)] + text.substring(one.end())).getBytes(StandardCharsets.ISO_8859_1);
    }

    /** An element within copies of itself. */
    private byte[] nested(byte[] bytes) {
        String text = new String(bytes, StandardCharsets.ISO_8859_1);
        List<MatchResult> elements = ELEMENT.matcher(text).results().limit(5000).toList();
        if (elements.isEmpty()) return repeated(bytes);
        MatchResult one = elements.get(random.nextInt(elements.size()));
        int close = Math.max(one.group().lastIndexOf("</"), Math.max(one.group().lastIndexOf('}'), one.group().lastIndexOf(">>")));
        if (close < 1) return repeated(bytes);
        int deep = random.nextInt(5) == 0 ? 5000 : 1 + random.nextInt(60);
        String made = one.group().substring(0, close).repeat(deep) + one.group().substring(close).repeat(deep);
        return (text.substring(0, one.start()) + made + text.substring(one.end())).getBytes(StandardCharsets.ISO_8859_1);
    }
}
