package app.decant.spelling;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.slf4j.LoggerFactory;

/**
 * Where words may be parted at the end of a line, by the patterns that compositors have for a language: of all patterns that a word holds the greatest
 * number between two letters counts, and an odd one parts them (F. M. Liang, Word Hy-phen-a-tion by Com-put-er, 1983). The library that reads dictionaries
 * takes 12 s for the German patterns and parts "Schiff" in its middle.
 */
public final class Hyphenation {
    private static final int[] NOWHERE = {};
    private static final int MOST_REMEMBERED = 50_000;
    /** Shorter words stay whole, and so many letters at least stay at the end of a line; longer ones are no words. Common practice. */
    private static final int SHORTEST = 5;
    private static final int BEFORE = 2;
    private static final int LONGEST = 60;
    private static final Map<Language, Hyphenation> READ = new EnumMap<>(Language.class);

    private final Map<String, byte[]> patterns = new HashMap<>();
    private final Map<String, int[]> whole = new HashMap<>();
    private final Map<String, int[]> asked = new ConcurrentHashMap<>();
    private final int after;
    private int longest;

    private Hyphenation(List<String> lines, int after) {
        this.after = after;
        for (String line : lines) {
            if (line.startsWith("=")) whole.put(line.substring(1).replace("-", ""), hyphens(line.substring(1)));
            else if (!line.startsWith("%") && !line.isBlank()) add(line.strip());
        }
    }

    private static int[] hyphens(String word) {
        int[] points = IntStream.range(0, word.length()).filter(at -> word.charAt(at) == '-').toArray();
        for (int i = 0; i < points.length; i++) points[i] -= i;
        return points;
    }

    /** Letters, with a point for the end of a word, and between them what speaks for or against parting there. */
    private void add(String pattern) {
        String letters = pattern.replaceAll("\\d", "");
        byte[] values = new byte[letters.length() + 1];
        int at = 0;
        for (char c : pattern.toCharArray()) {
            if (Character.isDigit(c)) values[at] = (byte) (c - '0');
            else at++;
        }
        patterns.put(letters, values);
        longest = Math.max(longest, letters.length());
    }

    /** For a language, its patterns read once; null where none ship, or they are broken, which is logged. */
    public static Hyphenation of(Language language) {
        if (language == null) return null;
        synchronized (READ) {
            if (!READ.containsKey(language)) READ.put(language, read(language));
            return READ.get(language);
        }
    }

    private static Hyphenation read(Language language) {
        try (InputStream in = Hyphenation.class.getResourceAsStream(language.file() + ".hyph")) {
            if (in == null) throw new IOException("there are no patterns " + language.file());
            // English parts no two letters from the end of a word: so the files say.
            boolean english = language == Language.ENGLISH || language == Language.ENGLISH_OF_AMERICA;
            return new Hyphenation(new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8)).lines().toList(), english ? 3 : 2);
        } catch (IOException e) {
            LoggerFactory.getLogger(Hyphenation.class).error("Words in {} can't be parted", language.tag(), e);
            return null;
        }
    }

    /**
     * Before which letters a word may be parted, in order; words of capitals stay whole.
     *
     * @param word letters only
     */
    public int[] points(String word) {
        if (word.length() < SHORTEST || word.length() > LONGEST || word.equals(word.toUpperCase(Locale.ROOT))) return NOWHERE;
        String small = word.toLowerCase(Locale.ROOT);
        if (small.length() != word.length()) return NOWHERE;
        if (asked.size() > MOST_REMEMBERED) asked.clear();
        return asked.computeIfAbsent(small, this::parted);
    }

    private int[] parted(String word) {
        if (whole.containsKey(word)) return whole.get(word);
        String ended = "." + word + ".";
        byte[] values = new byte[ended.length() + 1];
        for (int from = 0; from < ended.length(); from++) {
            for (int to = from + 1; to <= Math.min(ended.length(), from + longest); to++) {
                byte[] found = patterns.get(ended.substring(from, to));
                for (int i = 0; found != null && i < found.length; i++) values[from + i] = (byte) Math.max(values[from + i], found[i]);
            }
        }
        return IntStream.rangeClosed(BEFORE, word.length() - after).filter(at -> values[at + 1] % 2 == 1).toArray();
    }
}
