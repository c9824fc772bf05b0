package app.decant.layout;

import app.decant.document.AlignedTab;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty;
import app.decant.font.Face;
import app.decant.font.Shaped;
import app.decant.page.TextStyle;
import com.ibm.icu.text.Bidi;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** A paragraph made ready for breaking: its characters, its segments in reading order, and the width up to each caret position. */
final class ParagraphText {
    /** Words are shaped in parts of so many letters, so that one without end is set as fast as others. */
    private static final int LONGEST = 400;
    /** Stands for a word that is read from the right. */
    private static final char LEFTWARD = '\u05D0';

    private final StyleBook styles;
    private final Paragraph paragraph;
    private final Look table;
    private final List<Segment> segments = new ArrayList<>();
    private final Map<TextStyle, TextStyle> small = new IdentityHashMap<>();
    private final Map<Integer, AlignedTab> aligned = new HashMap<>();
    private final double[] prefix;
    private final String flat;
    private final boolean rightToLeft;
    private final byte[] levels;
    private boolean hasTabs;
    private boolean hasFloats;

    ParagraphText(StyleBook styles, Paragraph paragraph, Look look, Look table, FieldValues fields, Map<Inline.Note, String> notes) {
        this.styles = styles;
        this.paragraph = paragraph;
        this.table = table;
        this.rightToLeft = look.is(ParagraphProperty.RIGHT_TO_LEFT);
        this.flat = flatText(paragraph);
        this.levels = levels(flat, rightToLeft);
        int at = 0;
        List<Inline> inlines = paragraph.inlines();
        for (int i = 0; i < inlines.size(); i++) {
            Inline inline = inlines.get(i);
            if (inline.length() == 0) continue;
            TextStyle style = styles.text(paragraph, inline.look(), table);
            int length = inline.length();
            if (style.hidden()) {
                segments.add(new Segment(at, at + length, Segment.Kind.NOTHING, style, "", 0, null, null, null));
            } else if (inline instanceof Inline.Text run) {
                String text = run.text();
                // Runs that look alike are set as one: letters are joined and kerned whatever else a file says of them.
                AlignedTab tab = run.look().get(TextProperty.ALIGNED_TAB);
                while (tab == null && i + 1 < inlines.size() && inlines.get(i + 1) instanceof Inline.Text next
                        && style.equals(styles.text(paragraph, next.look(), table)) && !next.look().says(TextProperty.ALIGNED_TAB)) {
                    text += next.text();
                    i++;
                }
                if (tab != null) for (int c = 0; c < length; c++) if (text.charAt(c) == Inline.TAB) aligned.put(at + c, tab);
                addText(text, at, style);
                length = text.length();
            } else {
                addObject(inline, at, style, fields, notes);
            }
            at += length;
        }
        prefix = new double[at + 1];
        for (Segment segment : segments) {
            if (segment.kind() == Segment.Kind.TAB) hasTabs = true;
            float[] advances = segment.hasGlyphs() && segment.kind() != Segment.Kind.OBJECT ? segment.shaped().advances() : null;
            for (int i = segment.start(); i < segment.end(); i++) {
                double advance = advances != null ? advances[i - segment.start()] * segment.style().size() * segment.style().widthScale() + segment.style()
                        .letterSpacing() : segment.width();
                prefix[i + 1] = prefix[i] + advance;
            }
        }
    }

    List<Segment> segments() { return segments; }
    String flat() { return flat; }
    int length() { return flat.length(); }
    boolean hasTabs() { return hasTabs; }
    /** Where the tab at a caret position goes if not to a stop, or null. */
    AlignedTab aligned(int tab) { return aligned.get(tab); }
    boolean hasFloats() { return hasFloats; }
    boolean rightToLeft() { return rightToLeft; }
    boolean isBidi() { return levels != null; }

    /** The natural width between two caret positions, tabs counted as nothing. */
    double width(int from, int to) { return prefix[to] - prefix[from]; }

    /** The style of the paragraph's end mark. */
    TextStyle markStyle() { return styles.text(paragraph, paragraph.mark(), table); }

    /** The index of the segment that holds the caret position, or the number of segments at the end. */
    int segmentAt(int offset) {
        int low = 0;
        int high = segments.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (segments.get(middle).end() <= offset) low = middle + 1;
            else high = middle;
        }
        return low;
    }

    /** The notes whose marks stand between two caret positions. */
    List<Inline.Note> notes(int from, int to) {
        List<Inline.Note> notes = null;
        for (int i = segmentAt(from); i < segments.size() && segments.get(i).start() < to; i++) {
            if (segments.get(i).note() == null) continue;
            if (notes == null) notes = new ArrayList<>();
            notes.add(segments.get(i).note());
        }
        return notes == null ? List.of() : notes;
    }

    /** The part of a segment between two caret positions; glyphs follow their characters. */
    static Segment part(Segment segment, int from, int to) {
        if (from <= segment.start() && to >= segment.end() || !segment.hasGlyphs()) return segment;
        int first = Math.max(from, segment.start()) - segment.start();
        int last = Math.min(to, segment.end()) - segment.start();
        Shaped whole = segment.shaped();
        int count = 0;
        for (int cluster : whole.clusters()) if (cluster >= first && cluster < last) count++;
        int[] glyphs = new int[count];
        int[] clusters = new int[count];
        float[] x = new float[count + 1];
        float[] y = whole.y() == null ? null : new float[count];
        float at = 0;
        int kept = 0;
        for (int g = 0; g < whole.glyphs().length; g++) {
            int cluster = whole.clusters()[g];
            if (cluster < first || cluster >= last) continue;
            glyphs[kept] = whole.glyphs()[g];
            clusters[kept] = cluster - first;
            x[kept] = at;
            if (y != null) y[kept] = whole.y()[g];
            at += whole.x()[g + 1] - whole.x()[g];
            kept++;
        }
        x[kept] = at;
        String text = segment.text().substring(first, last);
        return new Segment(segment.start() + first, segment.start() + last, segment.kind(), segment.style(), text, segment.level(),
                new Shaped(glyphs, x, y, clusters, text, whole.rightToLeft()), null, null);
    }

    /** What line breaking sees: one character a caret position; fields and notes count as letters. */
    static String flatText(Paragraph paragraph) {
        boolean plain = true;
        for (Inline inline : paragraph.inlines()) if (!(inline instanceof Inline.Text) && inline.length() > 0) plain = false;
        if (plain) return paragraph.text();
        StringBuilder text = new StringBuilder();
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.Text run) text.append(run.text());
            else if (inline instanceof Inline.Field field) text.append(Bidi.getBaseDirection(field.result()) == Bidi.RTL ? LEFTWARD : '0');
            else if (inline instanceof Inline.Note) text.append('\u2060');
            else if (inline instanceof Inline.Floating) text.append('\u200B');
            else if (inline.length() == 1) text.append(Inline.OBJECT);
        }
        return text.toString();
    }

    private byte[] levels(String text, boolean rightToLeft) {
        char[] chars = text.toCharArray();
        if (!rightToLeft && !Bidi.requiresBidi(chars, 0, chars.length)) return null;
        Bidi bidi = new Bidi();
        bidi.setPara(chars, rightToLeft ? Bidi.RTL : Bidi.LTR, null);
        return bidi.getLevels();
    }

    private int level(int at) { return levels == null || at >= levels.length ? rightToLeft ? 1 : 0 : levels[at]; }

    private void addText(String text, int offset, TextStyle style) {
        String shown = style.capitals() || style.smallCapitals() ? capitals(text) : text;
        int from = 0;
        while (from < text.length()) {
            char c = text.charAt(from);
            int at = offset + from;
            if (c == Inline.TAB) {
                segments.add(new Segment(at, at + 1, Segment.Kind.TAB, style, "", level(at), null, null, null));
                from++;
                continue;
            }
            if (c == Inline.LINE_BREAK || c == Inline.PAGE_BREAK || c == Inline.COLUMN_BREAK) {
                segments.add(new Segment(at, at + 1, Segment.Kind.BREAK, style, "", level(at), null, null, null));
                from++;
                continue;
            }
            boolean space = c == ' ';
            boolean lower = isSmall(text, from, style);
            int level = level(at);
            int to = from + 1;
            while (to < text.length() && (to - from < LONGEST || Character.isLowSurrogate(text.charAt(to)) || isMark(text.charAt(to)))
                    && (text.charAt(to) == ' ') == space && !isControl(text.charAt(to)) && level(offset + to) == level
                    && (!style.smallCapitals() || space || isSmall(text, to, style) == lower)) to++;
            TextStyle used = lower && !space && style.smallCapitals() ? small.computeIfAbsent(style, s -> s.sized(s.size() * TextStyle.SMALL_CAPITAL_SIZE))
                    : style;
            addShaped(shown.substring(from, to), at, space ? Segment.Kind.SPACE : Segment.Kind.WORD, used, level);
            from = to;
        }
    }

    private static boolean isMark(char c) { return Character.getType(c) == Character.NON_SPACING_MARK || c == '\u200D'; }

    private static boolean isControl(char c) { return c == Inline.TAB || c == Inline.LINE_BREAK || c == Inline.PAGE_BREAK || c == Inline.COLUMN_BREAK; }

    private static boolean isSmall(String text, int at, TextStyle style) { return style.smallCapitals() && Character.isLowerCase(text.charAt(at)); }

    /** Capitals one for one, so that every character keeps its caret position; a letter whose capital is two letters stays small. */
    private static String capitals(String text) {
        char[] chars = text.toCharArray();
        for (int i = 0; i < chars.length; i++) chars[i] = Character.toUpperCase(chars[i]);
        return new String(chars);
    }

    /** Shapes a word; where the face lacks a character, another face that has it sets that part. */
    private void addShaped(String text, int at, Segment.Kind kind, TextStyle style, int level) {
        Shaped shaped = style.face().shape(text, (level & 1) == 1, style.kerning(), style.ligatures());
        if (!lacks(shaped)) {
            segments.add(new Segment(at, at + text.length(), kind, style, text, level, shaped, null, null));
            return;
        }
        int from = 0;
        while (from < text.length()) {
            int first = text.codePointAt(from);
            Face face = styles.fonts().fallback(style.face(), first);
            if (!face.shows(first)) styles.miss(first);
            int to = from + Character.charCount(first);
            while (to < text.length()) {
                int next = text.codePointAt(to);
                boolean mark = Character.getType(next) == Character.NON_SPACING_MARK || next == 0x200D;
                if (!mark && styles.fonts().fallback(style.face(), next) != face) break;
                to += Character.charCount(next);
            }
            String piece = text.substring(from, to);
            TextStyle dressed = face == style.face() ? style : style.with(face);
            segments.add(new Segment(at + from, at + to, kind, dressed, piece, level, face.shape(piece, (level & 1) == 1, style.kerning(),
                    style.ligatures()), null, null));
            from = to;
        }
    }

    private static boolean lacks(Shaped shaped) {
        for (int glyph : shaped.glyphs()) if (glyph == 0) return true;
        return false;
    }

    private void addObject(Inline inline, int at, TextStyle style, FieldValues fields, Map<Inline.Note, String> notes) {
        int level = level(at);
        if (inline instanceof Inline.Field field) {
            addAtom(fields.of(field), at, style, level, null);
        } else if (inline instanceof Inline.Note note) {
            addAtom(note.mark() != null ? note.mark() : notes.getOrDefault(note, "*"), at, style, level, note);
        } else if (inline instanceof Inline.InlinePicture picture) {
            segments.add(new Segment(at, at + 1, Segment.Kind.PICTURE, style, "", level, null, picture.picture(), null));
        } else if (inline instanceof Inline.OpaqueInline opaque && opaque.opaque().likeness() != null) {
            segments.add(new Segment(at, at + 1, Segment.Kind.PICTURE, style, "", level, null, opaque.opaque().likeness(), null));
        } else {
            if (inline instanceof Inline.Floating) hasFloats = true;
            segments.add(new Segment(at, at + 1, Segment.Kind.NOTHING, style, "", level, null, null, null));
        }
    }

    private void addAtom(String text, int at, TextStyle style, int level, Inline.Note note) {
        Face face = text.isEmpty() ? style.face() : styles.fonts().fallback(style.face(), text.codePointAt(0));
        TextStyle dressed = face == style.face() ? style : style.with(face);
        Shaped shaped = text.isEmpty() ? null : face.shape(text, false, style.kerning(), style.ligatures());
        segments.add(new Segment(at, at + 1, shaped == null ? Segment.Kind.NOTHING : Segment.Kind.OBJECT, dressed, text, level, shaped, null, note));
    }
}
