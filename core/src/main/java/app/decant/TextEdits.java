package app.decant;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Provenance;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What was edited in a document that came from a PDF, as corrections of lines on its pages: words put in the place of others, within a paragraph and a line,
 * in the look that was there. Edits of any other kind are none of these.
 */
final class TextEdits {
    private static final Paragraph BLANK = new Paragraph("", Look.PLAIN, Look.PLAIN, List.of());

    private final Cascade cascade;
    private final Walk walk;
    private final Provenance provenance;
    private final List<Edit> edits = new ArrayList<>();
    private final List<Paragraph> others = new ArrayList<>();
    private final Set<Integer> elsewhere = new TreeSet<>();
    private final Map<Paragraph, Paragraph> described = new IdentityHashMap<>();

    /**
     * A correction, and what it is in the text.
     *
     * @param page  the index of its page
     * @param now   the paragraph as it is; null where it is gone
     * @param from  the first letter of the old paragraph that goes
     * @param to    the letter after the last
     */
    record Edit(int page, Correction correction, Paragraph old, Paragraph now, int from, int to) { }

    /**
     * What was edited.
     *
     * @param edits  in the order of the text
     * @param others paragraphs as they came in which something else was edited
     * @param beyond pages on which those stand
     * @param described paragraphs as they are in which pictures only are described otherwise, by what they were: nothing on a page is another for it
     */
    record Found(List<Edit> edits, List<Paragraph> others, Set<Integer> beyond, Map<Paragraph, Paragraph> described) {
        static final Found NOTHING = new Found(List.of(), List.of(), Set.of(), Map.of());

        /** The corrections by their pages. */
        Map<Integer, List<Edit>> byPage() {
            Map<Integer, List<Edit>> pages = new TreeMap<>();
            for (Edit edit : edits) pages.computeIfAbsent(edit.page, page -> new ArrayList<>()).add(edit);
            return pages;
        }
    }

    private TextEdits(Document before, Walk walk, Provenance provenance) {
        this.cascade = Cascade.of(before);
        this.walk = walk;
        this.provenance = provenance;
    }

    /** What was edited in the text; null where something else was as well (heads, styles, facts), or it is not known where words stand. */
    static Found between(Document before, Walk walk, Document now, Walk then, Provenance provenance) {
        if (!frame(before).equals(frame(now))) return null;
        TextEdits edits = new TextEdits(before, walk, provenance);
        if (!edits.compare(then) || !edits.compareBlocks(before, now)) return null;
        if (walk.stops().size() != then.stops().size()) edits.compareLabels(before, now, then);
        return new Found(edits.edits, edits.others, edits.elsewhere, edits.described);
    }

    /** All of a document but the blocks of its body. */
    private static Document frame(Document document) {
        List<Section> bare = document.sections().stream().map(section -> section.withBlocks(List.of(BLANK))).toList();
        return document.withSections(bare);
    }

    /** Compares paragraph by paragraph between those that are the same: what is as many is the same, edited. */
    private boolean compare(Walk then) {
        List<Walk.Stop> old = walk.stops();
        List<Walk.Stop> fresh = then.stops();
        boolean one = old.size() == fresh.size();
        int next = 0;
        int from = 0;
        for (int i = 0; i <= old.size(); i++) {
            int same = i == old.size() ? fresh.size() : then.indexOf(old.get(i).paragraph());
            // One that came back from a queue is another object, and the same.
            if (same < 0 && one && old.get(i).paragraph().equals(fresh.get(i).paragraph())) same = i;
            if (same < next) continue;
            if (!between(from, i, fresh.subList(next, same))) return false;
            from = i + 1;
            next = same + 1;
        }
        return true;
    }

    /** Compares the paragraphs between two that are the same; where they are not as many, what stands there is edited otherwise. */
    private boolean between(int from, int to, List<Walk.Stop> fresh) {
        boolean many = to - from == fresh.size();
        for (int i = from; i < to; i++) {
            if (many && isDescribed(walk.stops().get(i).paragraph(), fresh.get(i - from).paragraph())) continue;
            if (many ? add(i, fresh.get(i - from).paragraph()) : fresh.isEmpty() && remove(i)) continue;
            Paragraph old = walk.stops().get(i).paragraph();
            if (provenance.of(old).isEmpty()) return false;
            others.add(old);
            reaches(old);
        }
        if (from < to || fresh.isEmpty()) return true;
        // What is put in reaches the pages of what it stands between.
        boolean known = false;
        for (int i : new int[] {from - 1, from}) {
            if (i < 0 || i >= walk.stops().size()) continue;
            known |= !provenance.of(walk.stops().get(i).paragraph()).isEmpty();
            reaches(walk.stops().get(i).paragraph());
        }
        return known;
    }

    /** Whether two are the same but for what is said of their pictures to those who can't see them, and what is remarked on them. */
    private boolean isDescribed(Paragraph old, Paragraph now) {
        if (!silent(old).equals(silent(now))) return false;
        described.put(old, now);
        return true;
    }

    private static Paragraph silent(Paragraph paragraph) {
        List<Inline> silent = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.InlinePicture one) silent.add(new Inline.InlinePicture(one.picture().described(null), one.look()));
            else if (inline instanceof Inline.Floating one && one.content() instanceof Picture picture)
                silent.add(new Inline.Floating(one.anchor(), picture.described(null), one.look()));
            else silent.add(inline);
        }
        return unremarked(paragraph.withInlines(silent));
    }

    /** Without comments: these stand beside a page, not on it. */
    private static Paragraph unremarked(Paragraph paragraph) {
        List<Inline> plain = new ArrayList<>();
        for (Inline inline : paragraph.inlines())
            plain.add(inline.look().says(TextProperty.COMMENTS) ? inline.with(inline.look().without(TextProperty.COMMENTS)) : inline);
        return paragraph.withInlines(plain).withMark(paragraph.mark().without(TextProperty.COMMENTS));
    }

    private void reaches(Paragraph paragraph) { for (Provenance.Line line : provenance.of(paragraph)) elsewhere.add(line.page()); }

    /** Tables, lists of contents and what else is no paragraph: where one is another but for its text, what stands in it is edited otherwise. */
    private boolean compareBlocks(Document before, Document now) {
        if (others.isEmpty() && elsewhere.isEmpty() && edits.stream().allMatch(edit -> edit.now != null)) {
            SortedMap<BlockPath, Block> changed = new TreeMap<>();
            for (Edit edit : edits) changed.put(walk.pathOf(edit.old), edit.now);
            described.forEach((old, fresh) -> changed.put(walk.pathOf(old), fresh));
            return before.replacing(Story.BODY, changed).equals(now);
        }
        Set<Block> kept = Collections.newSetFromMap(new IdentityHashMap<>());
        kept.addAll(before.blocks());
        Set<Block> still = Collections.newSetFromMap(new IdentityHashMap<>());
        still.addAll(now.blocks());
        for (Block block : before.blocks()) if (!(block instanceof Paragraph) && !still.contains(block)) within(block);
        for (Block block : now.blocks()) if (!(block instanceof Paragraph) && !kept.contains(block)) within(block);
        return true;
    }

    /** Where paragraphs went, others may be counted otherwise: what shows its number is reached. */
    private void compareLabels(Document before, Document now, Walk then) {
        ListLabels old = ListLabels.of(before, cascade);
        ListLabels fresh = ListLabels.of(now, Cascade.of(now));
        for (Walk.Stop stop : walk.stops()) {
            boolean stays = then.indexOf(stop.paragraph()) >= 0;
            if (stays && !Objects.equals(old.label(stop.paragraph()), fresh.label(stop.paragraph()))) reaches(stop.paragraph());
        }
    }

    private void within(Block block) {
        for (Walk.Stop stop : Walk.of(List.of(block), BlockPath.of(0), 0).stops()) reaches(stop.paragraph());
    }

    /** A paragraph that is gone: what follows takes its place, where that can be had on its page. */
    private boolean remove(int stop) {
        Walk.Stop gone = walk.stops().get(stop);
        List<Provenance.Line> lines = provenance.of(gone.paragraph());
        if (gone.path().size() > 2 || lines.isEmpty() || gone.paragraph().text().indexOf(Inline.OBJECT) >= 0) return false;
        int page = lines.get(0).page();
        List<List<Integer>> marks = lines.stream().map(TextEdits::marks).toList();
        if (lines.stream().anyMatch(line -> line.page() != page) || marks.stream().anyMatch(List::isEmpty)) return false;
        Correction.Passage passage = new Correction.Passage(marks, Set.of(), false, following(stop, lines.size(), page), provenance.foot(page));
        int last = marks.size() - 1;
        Correction correction = new Correction(passage, 0, 0, last, marks.get(last).size(), List.of(), setting(gone.paragraph()), isDrawn(gone.paragraph()));
        edits.add(new Edit(page, correction, gone.paragraph(), null, 0, gone.paragraph().length()));
        return true;
    }

    private boolean add(int stop, Paragraph fresh) {
        Paragraph old = unremarked(walk.stops().get(stop).paragraph());
        Paragraph now = unremarked(fresh);
        if (!old.style().equals(now.style()) || !old.look().equals(now.look())) return false;
        String was = old.text();
        String is = now.text();
        List<Look> wasLooks = looks(old);
        List<Look> isLooks = looks(now);
        int from = 0;
        int most = Math.min(was.length(), is.length());
        while (from < most && was.charAt(from) == is.charAt(from) && wasLooks.get(from).equals(isLooks.get(from))) from++;
        int fromEnd = 0;
        most -= from;
        while (fromEnd < most && was.charAt(was.length() - 1 - fromEnd) == is.charAt(is.length() - 1 - fromEnd)
                && wasLooks.get(was.length() - 1 - fromEnd).equals(isLooks.get(is.length() - 1 - fromEnd))) fromEnd++;
        if (from == was.length() && was.length() == is.length()) return false;
        int to = was.length() - fromEnd;
        // Whole words, so that kerning and ligatures go with their letters; where words are only put in, the one before goes along.
        if (from == to && from > 0) from--;
        while (from > 0 && Character.isWhitespace(was.charAt(from)) && from == to - 1) from--;
        while (from > 0 && !isBreak(was.charAt(from - 1))) from--;
        while (to < was.length() && !isBreak(was.charAt(to))) to++;
        fromEnd = was.length() - to;
        if (from >= to || is.length() - fromEnd < from) return false;
        String text = is.substring(from, is.length() - fromEnd);
        if (hasObject(was.substring(from, to)) || hasObject(text)) return false;
        List<Correction.Run> runs = runs(old, now, from, to, is.length() - fromEnd);
        return runs != null && place(stop, fresh, from, to, runs);
    }

    /** The look of each letter. */
    private static List<Look> looks(Paragraph paragraph) {
        List<Look> looks = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) for (int i = 0; i < inline.length(); i++) looks.add(inline.look());
        return looks;
    }

    private static boolean isBreak(char c) { return Character.isWhitespace(c) || c == Inline.OBJECT; }

    private static boolean hasObject(String text) {
        return text.chars().anyMatch(c -> c == Inline.OBJECT || c == Inline.TAB || c == Inline.LINE_BREAK || c == Inline.PAGE_BREAK
                || c == Inline.COLUMN_BREAK);
    }

    /** What is put in; null where what is around it is another too, or it looks otherwise than by weight and slant. */
    private List<Correction.Run> runs(Paragraph old, Paragraph now, int from, int to, int until) {
        if (!old.slice(0, from).equals(now.slice(0, from)) || !old.slice(to, old.length()).equals(now.slice(until, now.length()))) return null;
        // Places that have a name take no room.
        List<Inline> goes = old.slice(from, to).stream().filter(inline -> inline.length() > 0).toList();
        Look was = goes.get(0).look();
        // What is put in stands in the font of the first letter that goes, unless it is told another.
        if (goes.stream().anyMatch(inline -> !(inline instanceof Inline.Text) || !bare(inline.look()).equals(bare(was)))) return null;
        Look whole = cascade.text(old, was);
        List<Correction.Run> runs = new ArrayList<>();
        if (from == until) runs.add(new Correction.Run("", false, false, false));
        for (Inline inline : now.slice(from, until)) {
            if (inline.length() == 0) continue;
            if (!(inline instanceof Inline.Text text) || !bare(text.look()).equals(bare(was))) return null;
            Look is = cascade.text(old, text.look());
            boolean another = is.is(TextProperty.BOLD) != whole.is(TextProperty.BOLD) || is.is(TextProperty.ITALIC) != whole.is(TextProperty.ITALIC);
            runs.add(new Correction.Run(text.text(), another, is.is(TextProperty.BOLD), is.is(TextProperty.ITALIC)));
        }
        return runs;
    }

    private static Look bare(Look look) { return look.without(TextProperty.BOLD).without(TextProperty.ITALIC); }

    /** Finds the marks of a stretch of the paragraph; all of it has to be on one page. */
    private boolean place(int stop, Paragraph now, int from, int to, List<Correction.Run> runs) {
        Paragraph old = walk.stops().get(stop).paragraph();
        List<Provenance.Line> lines = provenance.of(old);
        int[][] places = provenance.places(old);
        if (places == null) return false;
        int[] begin = null;
        int[] end = null;
        for (int i = from; i < to; i++) {
            if (places[i] == null) continue;
            if (begin == null) begin = places[i];
            end = places[i];
        }
        if (begin == null || lines.get(begin[0]).page() != lines.get(end[0]).page()) return false;
        int page = lines.get(begin[0]).page();
        int[] stretch = stretch(old.text(), places, begin[0], lines.size());
        if (end[0] >= stretch[1]) return false;
        List<List<Integer>> passage = new ArrayList<>();
        int before = 0;
        boolean goesOn = false;
        for (int i = stretch[0]; i < stretch[1]; i++) {
            if (lines.get(i).page() == page) passage.add(marks(lines.get(i)));
            else if (i < begin[0]) before++;
            else goesOn = true;
        }
        int first = begin[0] - stretch[0] - before;
        int last = end[0] - stretch[0] - before;
        int begins = passage.get(first).indexOf(lines.get(begin[0]).marks()[begin[1]]);
        int ends = passage.get(last).indexOf(lines.get(end[0]).marks()[end[1]]);
        if (begins < 0 || ends < 0 || first == last && ends < begins) return false;
        List<List<Integer>> following = goesOn ? List.of() : following(stop, stretch[1], page);
        Correction.Passage stands = new Correction.Passage(passage, hyphens(lines, places), goesOn, following, provenance.foot(page));
        Correction correction = new Correction(stands, first, begins, last, ends + 1, runs, setting(old), isDrawn(old));
        edits.add(new Edit(page, correction, old, now, from, to));
        return true;
    }

    private static List<Integer> marks(Provenance.Line line) {
        List<Integer> marks = new ArrayList<>();
        for (int mark : line.marks()) if (mark >= 0 && (marks.isEmpty() || marks.get(marks.size() - 1) != mark)) marks.add(mark);
        return marks;
    }

    /** Marks at the ends of lines that stand for no letter of the text. */
    private static Set<Integer> hyphens(List<Provenance.Line> lines, int[][] places) {
        Set<Integer> hyphens = new HashSet<>();
        for (Provenance.Line line : lines) {
            String letters = line.letters().stripTrailing();
            int end = letters.length() - 1;
            if (end >= 0 && (letters.charAt(end) == '-' || letters.charAt(end) == '\u2010')) hyphens.add(line.marks()[end]);
        }
        for (int[] place : places) if (place != null) hyphens.remove(lines.get(place[0]).marks()[place[1]]);
        return hyphens;
    }

    /**
     * What stands below a passage in its column, from above: the rest of its paragraph and the paragraphs after it, until the text goes on higher up or
     * elsewhere; and what else of the text stands below those.
     */
    private List<List<Integer>> following(int stop, int rest, int page) {
        List<Provenance.Line> lines = inOrder(stop, rest, page);
        if (lines == null) return null;
        List<Provenance.Line> own = provenance.of(walk.stops().get(stop).paragraph());
        if (walk.stops().get(stop).path().size() == 2) {
            List<Provenance.Line> column = new ArrayList<>(lines);
            column.addAll(own.subList(0, rest));
            double left = column.stream().mapToDouble(TextEdits::left).min().orElseThrow();
            double right = column.stream().mapToDouble(TextEdits::right).max().orElseThrow();
            double lowest = own.get(rest - 1).baseline();
            Set<Provenance.Line> known = Collections.newSetFromMap(new IdentityHashMap<>());
            known.addAll(column);
            known.addAll(own);
            for (Walk.Stop other : walk.stops())
                for (Provenance.Line line : provenance.of(other.paragraph()))
                    if (line.page() == page && line.baseline() > lowest && left(line) < right && right(line) > left && known.add(line)) lines.add(line);
        }
        lines.sort(Comparator.comparingDouble(Provenance.Line::baseline));
        return lines.stream().map(TextEdits::marks).toList();
    }

    private static double left(Provenance.Line line) {
        double left = Double.MAX_VALUE;
        for (float one : line.lefts()) left = Math.min(left, one);
        return left;
    }

    private static double right(Provenance.Line line) {
        double right = 0;
        for (float one : line.rights()) right = Math.max(right, one);
        return right;
    }

    private List<Provenance.Line> inOrder(int stop, int rest, int page) {
        BlockPath path = walk.stops().get(stop).path();
        List<Provenance.Line> following = new ArrayList<>();
        List<Provenance.Line> own = provenance.of(walk.stops().get(stop).paragraph());
        double lowest = own.get(rest - 1).baseline();
        for (Provenance.Line line : own.subList(rest, own.size())) {
            if (line.page() != page || line.baseline() < lowest) return following;
            lowest = line.baseline();
            following.add(line);
        }
        // What stands below a cell is its table's matter, which does not move by itself.
        if (path.size() > 2) return following;
        BlockPath table = null;
        for (int i = stop + 1; i < walk.stops().size(); i++) {
            Walk.Stop next = walk.stops().get(i);
            List<Provenance.Line> lines = provenance.of(next.paragraph());
            if (lines.isEmpty()) {
                // Pictures are seen when room is looked for.
                if (next.paragraph().text().chars().allMatch(c -> Character.isWhitespace(c) || c == Inline.OBJECT)) continue;
                return null;
            }
            BlockPath block = BlockPath.of(next.path().step(0), next.path().step(1));
            boolean within = next.path().size() > 2 && block.equals(table);
            table = block;
            if (!within && lines.get(0).baseline() < lowest) return following;
            for (Provenance.Line line : lines) {
                if (line.page() != page) return following;
                lowest = Math.max(lowest, line.baseline());
                following.add(line);
            }
        }
        return following;
    }

    /** The lines among which one stands without a break that somebody put there: from the first of them, to after the last. */
    private static int[] stretch(String text, int[][] places, int line, int count) {
        int from = 0;
        int to = count;
        int before = -1;
        for (int i = 0; i < text.length(); i++) {
            if (places[i] != null) before = places[i][0];
            else if (text.charAt(i) == Inline.LINE_BREAK && before >= 0 && before < line) from = before + 1;
            else if (text.charAt(i) == Inline.LINE_BREAK && before >= line) to = Math.min(to, before + 1);
        }
        return new int[] {from, to};
    }

    private Correction.Setting setting(Paragraph paragraph) {
        Alignment alignment = cascade.paragraph(paragraph).get(ParagraphProperty.ALIGNMENT, Alignment.START);
        return switch (alignment) {
            case CENTRE -> Correction.Setting.CENTRED;
            case END -> Correction.Setting.AT_RIGHT;
            case JUSTIFY -> Correction.Setting.JUSTIFIED;
            default -> Correction.Setting.AT_LEFT;
        };
    }

    private boolean isDrawn(Paragraph paragraph) {
        for (Inline inline : paragraph.inlines()) {
            Look look = cascade.text(paragraph, inline.look());
            boolean lined = look.get(TextProperty.UNDERLINE, Underline.NONE) != Underline.NONE || look.is(TextProperty.STRIKE);
            if (lined || look.get(TextProperty.LINK) != null || look.get(TextProperty.HIGHLIGHT) != null) return true;
        }
        return false;
    }
}
