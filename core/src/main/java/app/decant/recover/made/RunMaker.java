package app.decant.recover.made;

import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.PageMatter;
import app.decant.recover.text.NoteFinder;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;

/**
 * Makes runs of text from the glyphs of lines: looks with everything said outright, words that a line end broke joined again with a soft hyphen,
 * raised marks that stand for notes turned into the notes.
 */
public final class RunMaker {
    /** A line of text is as long at least, in letters. */
    private static final int LONG_LINE = 30;
    /** Fewer hyphens at line ends say nothing, and no more than this share of them is of compounds. */
    private static final int FEWEST = 3;
    private static final int FEWEST_LINES = 60;
    private static final double MOST_OF_COMPOUNDS = 0.02;

    private final Faces faces;
    private final List<PageMatter> pages;
    private final Set<String> words = new HashSet<>();
    private final boolean hyphenates;
    private final Map<LookKey, Look> looks = new HashMap<>();
    private LookKey lastKey;
    private Look lastLook;
    private Function<Para.Footnote, List<Block>> noteMaker;

    /** All that makes one look differ from another. */
    private record LookKey(FaceUse face, long size, int rgb, Script script, boolean underlined, boolean struck, Integer highlight, Link link) {
        /** Asked for every letter: what is drawn alike mostly is so by the very same objects. */
        boolean isLike(LookKey other) {
            return other != null && face == other.face && size == other.size && rgb == other.rgb && script == other.script && underlined == other.underlined
                    && struck == other.struck && link == other.link && Objects.equals(highlight, other.highlight);
        }
    }

    public RunMaker(Faces faces, List<PageMatter> pages) {
        this.faces = faces;
        this.pages = pages;
        for (PageMatter page : pages) for (Chunk chunk : page.chunks()) learn(chunk.text());
        hyphenates = hyphenates();
    }

    /**
     * Whether words are broken at line ends: one is known whole from elsewhere, or so many lines end with hyphens that these are none of compounds. Little
     * text tells nothing of that; most programs of offices break none, common practice.
     */
    private boolean hyphenates() {
        int lines = 0;
        int hyphens = 0;
        for (PageMatter page : pages) {
            List<Chunk> chunks = page.chunks();
            for (int i = 0; i < chunks.size(); i++) {
                String text = chunks.get(i).text();
                if (text.length() < LONG_LINE) continue;
                lines++;
                if (!text.endsWith("-") && !text.endsWith("\u2010")) continue;
                String before = broken(text);
                String after = i + 1 < chunks.size() ? begun(chunks.get(i + 1).text()) : "";
                if (before.isEmpty()) continue;
                hyphens++;
                if (!after.isEmpty() && words.contains((before.replaceFirst("^.*-", "") + after).toLowerCase(Locale.ROOT))) return true;
            }
        }
        return lines < FEWEST_LINES || hyphens >= FEWEST && hyphens > MOST_OF_COMPOUNDS * lines;
    }

    /** What stands of a word before the hyphen that ends a line; empty where none does. */
    private static String broken(String line) { return line.substring(0, line.length() - 1).replaceFirst("^.*[^\\p{L}\\p{M}-]", ""); }

    /** What stands of a word at the head of a line. */
    private static String begun(String line) { return line.replaceFirst("[^\\p{L}\\p{M}].*$", ""); }

    /** Remembers the whole words of a line, by which broken ones are judged; the last may go on. */
    private void learn(String text) {
        String[] all = text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{M}-]+");
        for (int i = 0; i < all.length; i++) if (all[i].length() > 2 && !(i == all.length - 1 && all[i].endsWith("-"))) words.add(all[i]);
    }

    /** Tells how the blocks of a note are made. */
    void makeNotesBy(Function<Para.Footnote, List<Block>> maker) { noteMaker = maker; }

    private Inline note(Para.Footnote note, Glyph glyph, TextLine line, PageMatter page) {
        boolean counted = note.mark().matches("\\d+");
        return new Inline.Note(Inline.Note.Kind.FOOTNOTE, noteMaker.apply(note), counted ? null : note.mark(), look(glyph, line, page)
                .with(TextProperty.SCRIPT, Script.SUPER));
    }

    /** How a line goes on that somebody ended. */
    static final String BREAK = String.valueOf(Inline.LINE_BREAK);

    /** The text of one line in runs, and how it goes on to the next. */
    static final class LineRuns {
        final List<Inline> inlines = new ArrayList<>();
        String joint = "";

        String text() {
            StringBuilder text = new StringBuilder();
            for (Inline inline : inlines) if (inline instanceof Inline.Text run) text.append(run.text());
            return text.toString();
        }
    }

    /** The runs of a paragraph's lines, without the label of a list item. */
    List<LineRuns> lines(Para para) { return lines(para, para.item() == null ? 0 : para.item().labelLength()); }

    List<LineRuns> lines(Para para, int skip) {
        List<LineRuns> result = new ArrayList<>();
        List<Para.Footnote> notes = new ArrayList<>(para.notes());
        for (int i = 0; i < para.lines().size(); i++) {
            TextLine line = para.lines().get(i);
            LineRuns runs = new LineRuns();
            fill(runs, line, i == 0 ? skip : 0, notes);
            if (para.isBrokenAfter(line)) runs.joint = BREAK;
            else if (i + 1 < para.lines().size()) join(runs, line, para.lines().get(i + 1));
            result.add(runs);
        }
        return result;
    }

    private void fill(LineRuns runs, TextLine line, int skip, List<Para.Footnote> notes) {
        StringBuilder text = new StringBuilder();
        Look look = null;
        int at = 0;
        PageMatter page = pages.get(line.page());
        StringBuilder mark = new StringBuilder();
        List<Glyph> glyphs = line.glyphs();
        for (int i = 0; i < glyphs.size(); i++) {
            Glyph glyph = glyphs.get(i);
            at += glyph.text().length();
            if (at <= skip) continue;
            if (!notes.isEmpty() && !glyph.text().isBlank() && NoteFinder.isRaised(glyph, line) && notes.get(0).mark().startsWith(mark + glyph.text())) {
                mark.append(glyph.text());
                if (mark.toString().equals(notes.get(0).mark())) {
                    flush(runs, text, look);
                    runs.inlines.add(note(notes.remove(0), glyph, line, page));
                    mark.setLength(0);
                }
                continue;
            }
            Look own = glyph.text().isBlank() && look != null ? spaceLook(look, glyph, i + 1 < glyphs.size() ? glyphs.get(i + 1) : null, line, page)
                    : look(glyph, line, page);
            if (look != null && own != look && !own.equals(look)) flush(runs, text, look);
            look = own;
            text.append(glyph.text());
        }
        flush(runs, text, look);
    }

    /** A space goes with the letters before it, but for what is drawn under or behind it. */
    private Look spaceLook(Look before, Glyph space, Glyph next, TextLine line, PageMatter page) {
        if (next == null) return before;
        Look after = look(next, line, page);
        if (after.equals(before)) return before;
        Look look = before;
        if (before.get(TextProperty.UNDERLINE) != after.get(TextProperty.UNDERLINE)) look = look.without(TextProperty.UNDERLINE);
        if (before.get(TextProperty.HIGHLIGHT) == null || after.get(TextProperty.HIGHLIGHT) == null) look = look.without(TextProperty.HIGHLIGHT);
        if (before.is(TextProperty.STRIKE) != after.is(TextProperty.STRIKE)) look = look.without(TextProperty.STRIKE);
        if (!Objects.equals(before.get(TextProperty.LINK), after.get(TextProperty.LINK))) look = look.without(TextProperty.LINK);
        if (before.get(TextProperty.SCRIPT) != after.get(TextProperty.SCRIPT)) look = look.without(TextProperty.SCRIPT);
        return look;
    }

    private static void flush(LineRuns runs, StringBuilder text, Look look) {
        if (text.length() > 0) runs.inlines.add(new Inline.Text(text.toString(), look));
        text.setLength(0);
    }

    /** The look of a glyph on the page of its line. */
    Look look(Glyph glyph, TextLine line) { return look(glyph, line, pages.get(line.page())); }

    private Look look(Glyph glyph, TextLine line, PageMatter page) {
        Script script = script(glyph, line);
        double size = script == Script.BASELINE ? glyph.size() : line.size();
        boolean underlined = page.isUnderlined(glyph);
        boolean struck = page.isStruck(glyph);
        Integer highlight = page.highlight(glyph);
        LookKey key = new LookKey(glyph.face(), Math.round(size * 20), glyph.rgb(), script, underlined, struck, highlight, glyph.link());
        if (key.isLike(lastKey)) return lastLook;
        lastKey = key;
        lastLook = looks.computeIfAbsent(key, none -> {
            Faces.Choice choice = faces.of(glyph.face());
            Look look = Look.of(TextProperty.FAMILY, choice.family()).with(TextProperty.SIZE, rounded(size)).with(TextProperty.BOLD, glyph.face().bold())
                    .with(TextProperty.ITALIC, glyph.face().italic())
                    .with(TextProperty.COLOUR, glyph.rgb() == 0 ? Colour.AUTOMATIC : new Colour(glyph.rgb()));
            if (choice.scale() != 1) look = look.with(TextProperty.WIDTH_SCALE, choice.scale());
            if (script != Script.BASELINE) look = look.with(TextProperty.SCRIPT, script);
            if (glyph.face().smallCapitals()) look = look.with(TextProperty.SMALL_CAPITALS, true);
            if (underlined) look = look.with(TextProperty.UNDERLINE, Underline.SINGLE);
            if (struck) look = look.with(TextProperty.STRIKE, true);
            if (highlight != null) look = look.with(TextProperty.HIGHLIGHT, new Colour(highlight));
            if (glyph.link() != null) look = look.with(TextProperty.LINK, glyph.link());
            return look;
        });
        return lastLook;
    }

    private static Script script(Glyph glyph, TextLine line) {
        if (glyph.size() > 0.92 * line.size()) return Script.BASELINE;
        double up = (line.baseline() - glyph.baseline()) / line.size();
        return up > 0.12 ? Script.SUPER : up < -0.06 ? Script.SUB : Script.BASELINE;
    }

    /** Sizes are set in halves or tenths; what is closer to one of those than printing is exact, is it. */
    static double rounded(double size) {
        double half = Math.round(size * 2) / 2.0;
        if (Math.abs(half - size) < 0.06) return half;
        return Math.round(size * 10) / 10.0;
    }

    /** How a line goes on: a space, nothing, or a soft hyphen in place of a written one. */
    private void join(LineRuns runs, TextLine line, TextLine next) {
        String text = line.text();
        String following = next.text();
        if (text.isEmpty() || following.isEmpty()) return;
        char last = text.charAt(text.length() - 1);
        int first = following.codePointAt(0);
        if (last == '\u00AD') return;
        if (last == '-' || last == '\u2010') {
            if (isBroken(text, following)) {
                dropLast(runs);
                runs.joint = "\u00AD";
            }
            return;
        }
        if (isIdeographic(last) && isIdeographic(first)) return;
        if (last == '/' && line.glyphs().get(line.glyphs().size() - 1).link() != null && next.first().link() != null) return;
        runs.joint = " ";
    }

    private static boolean isIdeographic(int point) {
        return Character.isIdeographic(point) || Character.UnicodeScript.of(point) == Character.UnicodeScript.HIRAGANA
                || Character.UnicodeScript.of(point) == Character.UnicodeScript.KATAKANA;
    }

    /** Whether a hyphen at a line's end broke a word. What the text shows elsewhere decides: the joined word, or the compound with its hyphen. */
    private boolean isBroken(String text, String following) {
        String before = broken(text);
        String after = begun(following);
        if (before.isEmpty() || after.isEmpty() || !Character.isLowerCase(after.codePointAt(0))) return false;
        if (before.length() > 1 && Character.isUpperCase(before.codePointAt(before.length() - 1))) return false;
        String joined = (before.replaceFirst("^.*-", "") + after).toLowerCase(Locale.ROOT);
        if (words.contains(joined)) return true;
        if (words.contains((before + "-" + after).toLowerCase(Locale.ROOT))) return false;
        if (!hyphenates) return false;
        // A compound of two words that both stand elsewhere alone keeps its hyphen; else a hyphen at a line's end breaks a word.
        boolean compound = before.length() > 3 && after.length() > 3 && words.contains(before.toLowerCase(Locale.ROOT))
                && words.contains(after.toLowerCase(Locale.ROOT));
        return !compound;
    }

    private static void dropLast(LineRuns runs) {
        int index = runs.inlines.size() - 1;
        if (!(runs.inlines.get(index) instanceof Inline.Text run)) return;
        String shorter = run.text().substring(0, run.text().length() - 1);
        if (shorter.isEmpty()) runs.inlines.remove(index);
        else runs.inlines.set(index, new Inline.Text(shorter, run.look()));
    }
}
