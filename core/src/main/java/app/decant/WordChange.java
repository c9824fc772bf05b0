package app.decant;

import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/**
 * Words of a paragraph that stand in the place of others, all else of it as it was.
 *
 * @param from  the first letter of the old paragraph that goes
 * @param to    the letter after the last
 * @param until the letter of the new paragraph after the last that was put in
 * @param runs  what is put in
 */
record WordChange(int from, int to, int until, List<Correction.Run> runs) {
    private static final char TIE = '\u00A0';

    WordChange {
        runs = List.copyOf(runs);
    }

    /**
     * What a paragraph says otherwise: one change, or where it only looks otherwise, one for each part between its tabs, since each stands by itself. Null
     * where that is not words only.
     */
    static List<WordChange> all(StyleChange styles, Paragraph old, Paragraph now) {
        WordChange one = old.text().equals(now.text()) && old.text().indexOf(Inline.TAB) >= 0 ? null : between(styles, old, now);
        if (one != null) return List.of(one);
        String text = old.text();
        if (!text.equals(now.text()) || !isSet(styles, old, now)) return null;
        List<Look> was = looks(styles, old, now).get(0);
        List<Look> is = looks(styles, old, now).get(1);
        List<WordChange> all = new ArrayList<>();
        for (int begin = 0, end; begin <= text.length(); begin = end + 1) {
            end = text.indexOf(Inline.TAB, begin);
            if (end < 0) end = text.length();
            int from = begin;
            int to = end;
            while (from < to && (was.get(from).equals(is.get(from)) || text.charAt(from) == Inline.OBJECT)) from++;
            while (to > from && (was.get(to - 1).equals(is.get(to - 1)) || text.charAt(to - 1) == Inline.OBJECT)) to--;
            while (from > begin && from < to && !isBreak(text.charAt(from - 1))) from--;
            while (to < end && from < to && !isBreak(text.charAt(to))) to++;
            if (from == to) continue;
            List<Correction.Run> runs = hasObject(text.substring(from, to)) ? null : dressed(styles, old, now, from, to, to);
            if (runs == null) return null;
            all.add(new WordChange(from, to, to, runs));
        }
        return all.isEmpty() ? null : all;
    }

    private static boolean isSet(StyleChange styles, Paragraph old, Paragraph now) {
        if (old.style().equals(now.style())) return old.look().equals(now.look()) && !styles.sets(old);
        return Realignment.isUnseen(styles.was().paragraph(old), styles.is().paragraph(now));
    }

    /** The look of each letter as it was and as it is: its own where all else is the same, or that in force. */
    private static List<List<Look>> looks(StyleChange styles, Paragraph old, Paragraph now) {
        boolean own = styles.isNone() && old.style().equals(now.style());
        return List.of(looks(old, own ? null : styles.was()), looks(now, own ? null : styles.is()));
    }

    /** Whether the letters of a paragraph are those of another, and look as they do. */
    static boolean isSaid(StyleChange styles, Paragraph old, Paragraph now) {
        List<List<Look>> looks = looks(styles, old, now);
        return old.text().equals(now.text()) && looks.get(0).equals(looks.get(1)) && objects(old).equals(objects(now));
    }

    private static List<Inline> objects(Paragraph paragraph) {
        return paragraph.inlines().stream().filter(inline -> !(inline instanceof Inline.Text)).map(inline -> inline.with(Look.PLAIN)).toList();
    }

    /** What a paragraph says otherwise; null where it is not words only, or they look otherwise than by font, weight, slant, colour and size. */
    static WordChange between(StyleChange styles, Paragraph old, Paragraph now) {
        return isSet(styles, old, now) ? parted(styles, old, now) : null;
    }

    /** All words of a paragraph in the place of all that it said, however its lines stand; null where its letters looked in several ways. */
    static WordChange whole(StyleChange styles, Paragraph old, Paragraph now) {
        if (old.length() == 0 || now.length() == 0 || hasObject(old.text()) || hasObject(now.text())) return null;
        List<Correction.Run> runs = dressed(styles, old, now, 0, old.length(), now.length());
        return runs == null ? null : new WordChange(0, old.length(), now.length(), runs);
    }

    private static WordChange parted(StyleChange styles, Paragraph old, Paragraph now) {
        String was = old.text();
        String is = now.text();
        List<Look> wasLooks = looks(styles, old, now).get(0);
        List<Look> isLooks = looks(styles, old, now).get(1);
        int from = 0;
        int most = Math.min(was.length(), is.length());
        while (from < most && was.charAt(from) == is.charAt(from) && wasLooks.get(from).equals(isLooks.get(from))) from++;
        int fromEnd = 0;
        most -= from;
        while (fromEnd < most && was.charAt(was.length() - 1 - fromEnd) == is.charAt(is.length() - 1 - fromEnd)
                && wasLooks.get(was.length() - 1 - fromEnd).equals(isLooks.get(is.length() - 1 - fromEnd))) fromEnd++;
        if (from == was.length() && was.length() == is.length()) return null;
        int to = was.length() - fromEnd;
        // Whole words, so that kerning and ligatures go with their letters; where words are only put in, the one before goes along.
        if (from == to && from > 0) from--;
        while (from > 0 && Character.isWhitespace(was.charAt(from)) && from == to - 1) from--;
        // As far as they look alike: what is put in stands for letters of one look.
        while (from > 0 && !isBreak(was.charAt(from - 1)) && (from == was.length() || isAlike(wasLooks, from - 1, from))) from--;
        while (to < was.length() && !isBreak(was.charAt(to)) && (to == 0 || isAlike(wasLooks, to - 1, to))) to++;
        fromEnd = was.length() - to;
        if (from >= to || is.length() - fromEnd < from) return null;
        if (hasObject(was.substring(from, to)) || hasObject(is.substring(from, is.length() - fromEnd))) return null;
        List<Correction.Run> runs = runs(styles, old, now, from, to, is.length() - fromEnd);
        return runs == null ? null : new WordChange(from, to, is.length() - fromEnd, runs);
    }

    /** Several paragraphs as one, a letter for each end between them: it looks as what stands before it. */
    static Paragraph joined(List<Paragraph> paragraphs) {
        if (paragraphs.size() == 1) return paragraphs.get(0);
        List<Inline> inlines = new ArrayList<>();
        for (Paragraph one : paragraphs) {
            if (one != paragraphs.get(0)) {
                Look look = inlines.isEmpty() ? one.inlines().isEmpty() ? Look.PLAIN : one.inlines().get(0).look() : inlines.get(inlines.size() - 1).look();
                inlines.add(new Inline.Text(String.valueOf(Correction.PARAGRAPH), look));
            }
            inlines.addAll(one.inlines());
        }
        return paragraphs.get(0).withInlines(inlines);
    }

    /** The look of each letter: its own, or that in force where styles are others. */
    private static List<Look> looks(Paragraph paragraph, Cascade styles) {
        List<Look> looks = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) {
            Look look = styles == null ? inline.look() : Realignment.still(styles.text(paragraph, inline.look()));
            for (int i = 0; i < inline.length(); i++) looks.add(look);
        }
        return looks;
    }

    private static boolean isAlike(List<Look> looks, int one, int other) { return bare(looks.get(one)).equals(bare(looks.get(other))); }

    private static boolean isBreak(char c) { return Character.isWhitespace(c) || c == TIE || c == Inline.OBJECT; }

    private static boolean hasObject(String text) {
        return text.chars().anyMatch(c -> c == Inline.OBJECT || c == Inline.TAB || c == Inline.LINE_BREAK || c == Inline.PAGE_BREAK
                || c == Inline.COLUMN_BREAK);
    }

    /** What is put in; null where what is around it is another too, or it looks otherwise than by font, weight, slant, colour and size. */
    private static List<Correction.Run> runs(StyleChange styles, Paragraph old, Paragraph now, int from, int to, int until) {
        if (!old.slice(0, from).equals(now.slice(0, from)) || !old.slice(to, old.length()).equals(now.slice(until, now.length()))) return null;
        return dressed(styles, old, now, from, to, until);
    }

    private static List<Correction.Run> dressed(StyleChange styles, Paragraph old, Paragraph now, int from, int to, int until) {
        // Places that have a name take no room.
        List<Inline> goes = old.slice(from, to).stream().filter(inline -> inline.length() > 0).toList();
        Look was = goes.get(0).look();
        // What is put in stands in the font of the first letter that goes, unless it is told another.
        if (goes.stream().anyMatch(inline -> !(inline instanceof Inline.Text) || !bare(inline.look()).equals(bare(was)))) return null;
        Look whole = styles.was().text(old, was);
        List<Correction.Run> runs = new ArrayList<>();
        if (from == until) runs.add(Correction.Run.plain(""));
        for (Inline inline : now.slice(from, until)) {
            if (inline.length() == 0) continue;
            if (!(inline instanceof Inline.Text text) || !plain(text.look()).equals(plain(was))) return null;
            // A tie is how recovery keeps lines as they broke; on the page it is a space.
            Correction.Run run = run(whole, styles.is().text(now, text.look()), text.text().replace(TIE, ' '));
            if (run == null) return null;
            runs.add(run);
        }
        return runs;
    }

    /** Words that are to look otherwise than what they stand for; null where a correction can't tell that. */
    static Correction.Run run(Look whole, Look is, String words) {
        if (!plain(whole).equals(plain(is))) return null;
        boolean another = is.is(TextProperty.BOLD) != whole.is(TextProperty.BOLD) || is.is(TextProperty.ITALIC) != whole.is(TextProperty.ITALIC);
        String family = is.get(TextProperty.FAMILY);
        if (Objects.equals(family, whole.get(TextProperty.FAMILY))) family = null;
        Colour colour = is.get(TextProperty.COLOUR, Colour.AUTOMATIC);
        boolean painted = !colour.equals(whole.get(TextProperty.COLOUR, Colour.AUTOMATIC));
        Double size = is.get(TextProperty.SIZE);
        Double before = whole.get(TextProperty.SIZE);
        double share = size == null || before == null ? 1 : size / before;
        List<Correction.Drawn> drawn = drawn(whole, is);
        if (drawn == null) return null;
        return new Correction.Run(words, another || family != null, is.is(TextProperty.BOLD), is.is(TextProperty.ITALIC), painted ? colour : null, share,
                drawn, undrawn(whole, is), family, -1);
    }

    /** What a correction can't tell of letters. */
    private static Look plain(Look look) { return StyleChange.set(Realignment.still(look)); }

    /** The lines and the area that words get; null where they are none that can be drawn on a page. */
    static List<Correction.Drawn> drawn(Look was, Look is) {
        Underline line = was.get(TextProperty.UNDERLINE, Underline.NONE);
        Underline now = is.get(TextProperty.UNDERLINE, Underline.NONE);
        if (now != line && now != Underline.NONE && now != Underline.SINGLE) return null;
        Colour lit = is.get(TextProperty.HIGHLIGHT);
        boolean behind = lit != null && !lit.isAutomatic() && !lit.equals(was.get(TextProperty.HIGHLIGHT));
        List<Correction.Drawn> drawn = new ArrayList<>();
        if (behind) drawn.add(Correction.Drawn.behind(lit));
        if (now == Underline.SINGLE && line != now) drawn.add(Correction.Drawn.UNDER);
        if (is.is(TextProperty.STRIKE) && !was.is(TextProperty.STRIKE)) drawn.add(Correction.Drawn.THROUGH);
        return drawn;
    }

    /** Where lines and areas go. */
    private static Set<Correction.Drawn.Place> undrawn(Look was, Look is) {
        Set<Correction.Drawn.Place> undrawn = EnumSet.noneOf(Correction.Drawn.Place.class);
        Underline line = was.get(TextProperty.UNDERLINE, Underline.NONE);
        if (line != Underline.NONE && is.get(TextProperty.UNDERLINE, Underline.NONE) != line) undrawn.add(Correction.Drawn.Place.UNDER);
        if (was.is(TextProperty.STRIKE) && !is.is(TextProperty.STRIKE)) undrawn.add(Correction.Drawn.Place.THROUGH);
        Colour lit = was.get(TextProperty.HIGHLIGHT);
        if (lit != null && !lit.equals(is.get(TextProperty.HIGHLIGHT))) undrawn.add(Correction.Drawn.Place.BEHIND);
        return undrawn;
    }

    private static Look bare(Look look) { return look.without(TextProperty.BOLD).without(TextProperty.ITALIC); }

    /** How the lines of a paragraph stand between its edges. */
    static Correction.Setting setting(Cascade cascade, Paragraph paragraph) {
        Alignment alignment = cascade.paragraph(paragraph).get(ParagraphProperty.ALIGNMENT, Alignment.START);
        return switch (alignment) {
            case CENTRE -> Correction.Setting.CENTRED;
            case END -> Correction.Setting.AT_RIGHT;
            case JUSTIFY -> Correction.Setting.JUSTIFIED;
            default -> Correction.Setting.AT_LEFT;
        };
    }

    /** Whether lines or areas are drawn with the text of a paragraph, from a letter on. */
    static boolean isDrawn(Cascade cascade, Paragraph paragraph, int from) {
        int at = 0;
        for (Inline inline : paragraph.inlines()) {
            at += inline.length();
            if (at <= from) continue;
            Look look = cascade.text(paragraph, inline.look());
            boolean lined = look.get(TextProperty.UNDERLINE, Underline.NONE) != Underline.NONE || look.is(TextProperty.STRIKE);
            if (lined || look.get(TextProperty.HIGHLIGHT) != null) return true;
        }
        return false;
    }
}
