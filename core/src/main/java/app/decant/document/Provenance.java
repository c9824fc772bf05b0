package app.decant.document;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Where the paragraphs of a document were taken from: line by line, which mark of which page shows each letter. Paragraphs are known by identity; one that
 * was edited is another, so that what is still here is untouched.
 */
public final class Provenance {
    public static final Provenance NONE = new Provenance(Map.of(), List.of());

    /** So many pages tell where text ends on them. */
    private static final int LIKE = 3;
    /** Pages that end higher up than this share of their height are not full. */
    private static final double FULL = 0.7;
    private static final String LEADERS = ".\u2026\u00B7_-";

    private final Map<Paragraph, List<Line>> lines;
    private final List<Sheet> sheets;
    private final List<Shown> pictures;
    private final List<Head> heads;
    private final Map<Sheet, Double> feet = new HashMap<>();

    /**
     * A page as it was read.
     *
     * @param width  in points, as is {@code height}, turned as it was read
     * @param turn   how far it was turned clockwise for that, beyond what it says itself: 0, 90, 180 or 270
     */
    public record Sheet(double width, double height, int turn) { }

    /**
     * A line as a page shows it.
     *
     * @param page     the index of the page
     * @param letters  what it says, as the page has it: with hyphens and labels, spaces where there are gaps
     * @param marks    for each letter the number of the mark that shows it, in the page's order of painting; -1 for spaces that nothing shows
     * @param lefts    where each letter begins, in points from the page's left edge as it was read; as long as {@code letters}
     * @param rights   where each ends
     * @param baseline from the page's top
     * @param size     of its letters
     */
    public record Line(int page, String letters, int[] marks, float[] lefts, float[] rights, double baseline, double size) {
        public Line {
            if (marks.length != letters.length()) throw new IllegalArgumentException("Every letter has a mark, or none");
            if (lefts.length != marks.length || rights.length != marks.length) throw new IllegalArgumentException("Every letter stands somewhere");
        }
    }

    /**
     * A picture or a drawing as a page shows it, in points from the left top corner of the page as it was read.
     *
     * @param page the index of the page
     */
    public record Shown(Image image, int page, double left, double top, double right, double bottom) { }

    /**
     * A line of a header or footer as a page shows it: these come in once, and stand on many pages.
     *
     * @param top     whether it is one of a header
     * @param counted the parts of its letters that count pages, each from one letter up to another
     */
    public record Head(Line line, boolean top, List<int[]> counted) {
        public Head { counted = List.copyOf(counted); }

        /** For each letter of a text the first of the line that shows it, -1 for what nothing shows; null where the line says something else. */
        public int[] letters(String text) {
            int[] letters = new int[text.length()];
            int at = 0;
            for (int i = 0; i < text.length(); i++) {
                char letter = text.charAt(i);
                letters[i] = -1;
                if (letter == Inline.OBJECT) {
                    at = blanks(at);
                    int here = at;
                    int[] count = counted.stream().filter(one -> one[0] == here).findFirst().orElse(null);
                    if (count == null) return null;
                    letters[i] = at;
                    at = count[1];
                } else if (!isNothing(letter)) {
                    at = blanks(at);
                    if (at == line.letters.length() || line.letters.charAt(at) != letter) return null;
                    letters[i] = at++;
                }
            }
            return blanks(at) == line.letters.length() ? letters : null;
        }

        private int blanks(int from) {
            int at = from;
            while (at < line.letters.length() && isNothing(line.letters.charAt(at))) at++;
            return at;
        }
    }

    public Provenance(Map<Paragraph, List<Line>> lines, List<Sheet> sheets) { this(lines, sheets, List.of(), List.of()); }

    /**
     * @param pictures in the order of pages
     * @param heads    in the order of pages
     */
    public Provenance(Map<Paragraph, List<Line>> lines, List<Sheet> sheets, List<Shown> pictures, List<Head> heads) {
        this.pictures = List.copyOf(pictures);
        this.heads = List.copyOf(heads);
        Map<Paragraph, List<Line>> own = new IdentityHashMap<>();
        lines.forEach((paragraph, some) -> own.put(paragraph, List.copyOf(some)));
        this.lines = own;
        this.sheets = List.copyOf(sheets);
        for (List<Line> some : own.values()) for (Line line : some) if (line.page < sheets.size()) feet.merge(sheets.get(line.page), line.baseline, Math::max);
    }

    /** The same where paragraphs are others that say the same. */
    public Provenance with(Map<Paragraph, Paragraph> others) {
        Map<Paragraph, List<Line>> own = new IdentityHashMap<>();
        lines.forEach((paragraph, some) -> own.put(others.getOrDefault(paragraph, paragraph), some));
        return new Provenance(own, sheets, pictures, heads);
    }

    /** The lowest baseline of text on any page as large as one; 0 where there are too few to tell, or all of them end early. */
    public double foot(int page) {
        Sheet like = sheets.get(page);
        double foot = sheets.stream().filter(like::equals).count() < LIKE ? 0 : feet.getOrDefault(like, 0.0);
        return foot < FULL * like.height ? 0 : foot;
    }

    /** The pages of the file; none where they are not known. */
    public List<Sheet> sheets() { return sheets; }

    /** The pictures and drawings of the file, whether they came in or not. */
    public List<Shown> pictures() { return pictures; }

    /** The pictures and drawings that stand in a paragraph or hang on it, as far as it is known where: they are shown once. */
    public List<Shown> pictures(Paragraph paragraph) {
        List<Shown> own = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) {
            Picture picture = inline instanceof Inline.InlinePicture one ? one.picture()
                    : inline instanceof Inline.Floating floating && floating.content() instanceof Picture hung ? hung : null;
            List<Shown> all = picture == null ? List.of() : pictures.stream().filter(shown -> shown.image == picture.image()).toList();
            if (all.size() == 1) own.addAll(all);
        }
        return own;
    }

    /** The lines of headers and footers, page by page. */
    public List<Head> heads() { return heads; }

    /** The lines a paragraph came from; empty where that is not known, or it is not as it came. */
    public List<Line> of(Paragraph paragraph) { return lines.getOrDefault(paragraph, List.of()); }

    /**
     * For each letter of a paragraph its line and its place in it, for an object that of its first letter; null for spaces. Null as a whole where the two
     * don't tell the same: lines have labels before and hyphens at their ends that the text has not.
     */
    public int[][] places(Paragraph paragraph) {
        String text = paragraph.text();
        List<Line> lines = of(paragraph);
        int[][] places = new int[text.length()][];
        int at = 0;
        int shown = -2;
        boolean begun = false;
        for (int line = 0; line < lines.size(); line++) {
            String letters = lines.get(line).letters();
            for (int i = 0; i < letters.length(); i++) {
                char letter = letters.charAt(i);
                if (isNothing(letter)) continue;
                int object = -1;
                while (at < text.length() && isNothing(text.charAt(at))) if (text.charAt(at++) == Inline.OBJECT) object = at - 1;
                if (at < text.length() && text.charAt(at) == letter) {
                    places[at++] = new int[] {line, i};
                    begun = true;
                } else if (object >= 0 && begun) {
                    // The number of a note, or what a field shows: all of it is the object.
                    places[object] = new int[] {line, i};
                    at = object + 1;
                    shown = object;
                } else if (begun && LEADERS.indexOf(letter) >= 0 && isTabbed(text, at)) {
                    // Leaders lead to a tab stop, and are no part of the text.
                    continue;
                } else if (begun && shown != at - 1 && !((letter == '-' || letter == '\u2010') && letters.substring(i + 1).isBlank())) {
                    return null;
                }
            }
        }
        while (at < text.length() && isNothing(text.charAt(at))) at++;
        return at == text.length() ? places : null;
    }

    /** Whether a tab stands before a letter, spaces between at most. */
    private static boolean isTabbed(String text, int at) {
        int before = at - 1;
        while (before >= 0 && isNothing(text.charAt(before)) && text.charAt(before) != Inline.TAB) before--;
        return before >= 0 && text.charAt(before) == Inline.TAB;
    }

    private static boolean isNothing(char c) {
        return Character.isWhitespace(c) || Character.isSpaceChar(c) || c == Inline.OBJECT || c == '\u00AD' || c < ' ';
    }
}
