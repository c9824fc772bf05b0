package app.decant.document;

import java.util.ArrayList;
import java.util.List;

/**
 * A paragraph.
 *
 * @param style   the id of its paragraph style; null for the document's default
 * @param look    what it says itself about paragraph properties
 * @param mark    the look of its end mark, which text typed into an empty paragraph takes, and which list labels follow
 * @param inlines what stands in it
 */
public record Paragraph(String style, Look look, Look mark, List<Inline> inlines) implements Block {
    /** Neighbouring runs of one look become one, so that a text has one form only. */
    public Paragraph { inlines = List.copyOf(joined(inlines)); }

    public static Paragraph of(String text) { return styled(null, text); }

    public static Paragraph styled(String style, String text) {
        return new Paragraph(style, Look.PLAIN, Look.PLAIN, text.isEmpty() ? List.of() : List.of(new Inline.Text(text, Look.PLAIN)));
    }

    /** Its length in caret positions. */
    public int length() {
        int length = 0;
        for (Inline inline : inlines) length += inline.length();
        return length;
    }

    /** Its text, objects read as {@link Inline#OBJECT}; as long as {@link #length()}. */
    public String text() {
        if (inlines.size() == 1 && inlines.get(0) instanceof Inline.Text only) return only.text();
        StringBuilder text = new StringBuilder();
        for (Inline inline : inlines) {
            if (inline instanceof Inline.Text run) text.append(run.text());
            else if (inline.length() == 1) text.append(Inline.OBJECT);
        }
        return text.toString();
    }

    /** What a person reads in it: no objects, fields by their last result. */
    public String plainText() {
        StringBuilder text = new StringBuilder();
        for (Inline inline : inlines) {
            if (inline instanceof Inline.Text run) text.append(run.text());
            else if (inline instanceof Inline.Field field) text.append(field.result());
        }
        return text.toString().replace(Inline.PAGE_BREAK, ' ').replace(Inline.COLUMN_BREAK, ' ');
    }

    /**
     * The same with U+FFFD for what is no character (a half of a surrogate pair alone, U+FFFE, U+FFFF), as a reader must hand it on: no XML can hold such
     * signs, so nothing could be written of it as it is.
     */
    public Paragraph wellFormed() {
        boolean whole = true;
        List<Inline> mended = new ArrayList<>(inlines.size());
        for (Inline inline : inlines) {
            Inline one = inline instanceof Inline.Text run ? run.wellFormed() : inline;
            whole &= one == inline;
            mended.add(one);
        }
        return whole ? this : new Paragraph(style, look, mark, mended);
    }

    public Paragraph withInlines(List<Inline> others) { return new Paragraph(style, look, mark, others); }
    public Paragraph withLook(Look other) { return new Paragraph(style, other, mark, inlines); }
    public Paragraph withMark(Look other) { return new Paragraph(style, look, other, inlines); }
    public Paragraph withStyle(String other) { return new Paragraph(other, look, mark, inlines); }

    /** The inlines from one offset up to another, cut where needed; a bookmark point goes with the character after it. */
    public List<Inline> slice(int from, int to) {
        List<Inline> part = new ArrayList<>();
        int at = 0;
        for (Inline inline : inlines) {
            int end = at + inline.length();
            if (inline.length() == 0) {
                if (from < to && at >= from && (at < to || at == to && at == length())) part.add(inline);
            } else if (end > from && at < to) {
                if (inline instanceof Inline.Text run) {
                    part.add(new Inline.Text(run.text().substring(Math.max(0, from - at), Math.min(run.length(), to - at)), run.look()));
                } else {
                    part.add(inline);
                }
            }
            at = end;
        }
        return part;
    }

    /** How many bookmark points stand at an offset. */
    public int pointsAt(int offset) {
        int at = 0;
        int points = 0;
        for (Inline inline : inlines) {
            if (at > offset) break;
            if (inline.length() == 0 && at == offset) points++;
            at += inline.length();
        }
        return points;
    }

    /** The inlines between two cuts; parts between cuts that follow one another make up the whole. */
    public List<Inline> part(Cut from, Cut to) {
        List<Inline> part = new ArrayList<>();
        int at = 0;
        int points = 0;
        for (Inline inline : inlines) {
            int end = at + inline.length();
            if (end == at) {
                boolean behindFrom = at > from.offset() || at == from.offset() && points >= from.points();
                boolean beforeTo = at < to.offset() || at == to.offset() && points < to.points();
                if (behindFrom && beforeTo) part.add(inline);
                points++;
                continue;
            }
            int begin = Math.max(0, from.offset() - at);
            int stop = Math.min(end, to.offset()) - at;
            if (begin < stop) part.add(inline instanceof Inline.Text run && stop - begin < run.length() ? run.part(begin, stop) : inline);
            at = end;
            points = 0;
        }
        return part;
    }

    /** The look of the character before the offset: what text typed there takes. */
    public Look lookBefore(int offset) {
        int at = 0;
        Look last = null;
        for (Inline inline : inlines) {
            if (inline.length() == 0) continue;
            if (last == null || at < offset) last = inline.look();
            at += inline.length();
        }
        return last == null ? mark : last;
    }

    /** Neighbouring runs of the same look made one, empty runs left out. */
    private static List<Inline> joined(List<Inline> inlines) {
        if (isJoined(inlines)) return inlines;
        List<Inline> result = new ArrayList<>();
        Inline.Text first = null;
        StringBuilder more = null;
        for (Inline inline : inlines) {
            if (inline instanceof Inline.Text run) {
                if (run.text().isEmpty()) continue;
                if (first != null && first.look().equals(run.look())) {
                    if (more == null) more = new StringBuilder(first.text());
                    more.append(run.text());
                    continue;
                }
            }
            end(result, first, more);
            first = inline instanceof Inline.Text run ? run : null;
            more = null;
            if (first == null) result.add(inline);
        }
        end(result, first, more);
        return result;
    }

    private static boolean isJoined(List<Inline> inlines) {
        Inline before = null;
        for (Inline inline : inlines) {
            if (inline instanceof Inline.Text run) {
                if (run.text().isEmpty() || before instanceof Inline.Text other && other.look().equals(run.look())) return false;
            }
            before = inline;
        }
        return true;
    }

    private static void end(List<Inline> result, Inline.Text first, StringBuilder more) {
        if (first != null) result.add(more == null ? first : new Inline.Text(more.toString(), first.look()));
    }
}
