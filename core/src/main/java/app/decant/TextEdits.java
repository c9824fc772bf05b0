package app.decant;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Provenance;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * What was edited in a document that came from a PDF, as corrections of passages on its pages: words put in the place of others in the look that was there,
 * paragraphs that came, went, were parted or joined, words in headers and footers. Edits of any other kind are none of these.
 */
final class TextEdits {
    private final StyleChange styles;
    private final Walk walk;
    private final Provenance provenance;
    private final List<Edit> edits = new ArrayList<>();
    private final List<OtherEdit> others = new ArrayList<>();
    private final Set<Integer> elsewhere = new TreeSet<>();
    private final Map<Paragraph, Paragraph> described = new IdentityHashMap<>();
    private final StandingPassages passages;
    private final StandingLabels labels;
    private final TextFlow flow;
    private final List<Edit> relabelled = new ArrayList<>();
    private final FieldAnswers fields;
    private final Map<String, String> answers = new HashMap<>();
    private final List<OtherEdit> answered = new ArrayList<>();
    private final Document before;
    private final Document now;
    private ListLabels fresh;
    /** Whether a paragraph has another style, which may count it otherwise. */
    private boolean styled;
    /** Paragraphs as they came that are part of a change of several: no other change reaches them too. */
    private final Set<Integer> parted = new HashSet<>();

    /**
     * A correction, and what it is in the text.
     *
     * @param page  the index of its page
     * @param olds  the paragraphs as they came; more than one where some were joined
     * @param nows  the paragraphs as they are; none where the old one is gone, more than one where some were put in or parted
     * @param from  the first letter of the old text that goes; that of several paragraphs has a letter for each end between them
     * @param to    the letter after the last
     */
    record Edit(int page, Correction correction, List<Paragraph> olds, List<Paragraph> nows, int from, int to) {
        /** The old paragraph, or the first of them. */
        Paragraph old() { return olds.get(0); }

        /** Whether rows were put in below that of its paragraph, which stays as it is. */
        boolean isOfRows() { return !correction.rows().isEmpty(); }

        /** Whether one paragraph is one, or none. */
        boolean isPlain() { return olds.size() == 1 && nows.size() <= 1 && !isOfRows(); }

        /** Whether a paragraph says something else, and all else of it is as it was. */
        boolean isOfWords() { return isPlain() && !isGone() && old().mark().equals(nows.get(0).mark()); }

        boolean isGone() { return nows.isEmpty(); }

        /** Whether it is what a paragraph is counted as, of which nothing of the text goes. */
        boolean isLabel() { return from == to && !isGone() && correction.edges() == null && correction.cell() == null && !isOfRows(); }
    }

    /**
     * What was edited.
     *
     * @param edits  in the order of the text
     * @param others of paragraphs in which something else was edited
     * @param beyond pages on which those stand
     * @param described paragraphs as they are in which pictures only are described otherwise, by what they were: nothing on a page is another for it
     * @param heads  edits of headers and footers, one for each page that shows it
     * @param labels of list items that only count something else
     * @param answers what was written into controls that stand for fields of the file
     */
    record Found(List<Edit> edits, List<OtherEdit> others, Set<Integer> beyond, Map<Paragraph, Paragraph> described, List<Edit> heads, List<Edit> labels,
            Answers answers) {
        static final Found NOTHING = new Found(List.of(), List.of(), Set.of(), Map.of(), List.of(), List.of(), Answers.NONE);

        /** The same with numbers that stand for others. */
        Found with(List<Edit> numbers) {
            if (numbers.isEmpty()) return this;
            List<Edit> all = new ArrayList<>(labels);
            all.addAll(numbers);
            return new Found(edits, others, beyond, described, heads, all, answers);
        }

        /** Whether a paragraph is there still to which something is to be done besides. */
        boolean takes(Edit besides) {
            return !beyond.contains(besides.page) && others.stream().noneMatch(one -> one.old() == besides.old())
                    && edits.stream().allMatch(one -> one.olds.stream().noneMatch(old -> old == besides.old()) || one.isPlain() && !one.isGone());
        }

        /** The corrections by their pages: those of text, then of headers and footers, then of labels. */
        Map<Integer, List<Edit>> byPage() {
            Map<Integer, List<Edit>> pages = new TreeMap<>();
            for (List<Edit> some : List.of(edits, heads, labels))
                for (Edit edit : some) pages.computeIfAbsent(edit.page, page -> new ArrayList<>()).add(edit);
            return pages;
        }
    }

    /**
     * What was written into fields.
     *
     * @param byName by their full names
     * @param edits  of the paragraphs that their controls stand in
     */
    record Answers(Map<String, String> byName, List<OtherEdit> edits) {
        static final Answers NONE = new Answers(Map.of(), List.of());
    }

    private TextEdits(StandingText came, Document now, StyleChange styles, FieldAnswers fields) {
        this.fields = fields;
        this.styles = styles;
        this.before = came.document();
        this.now = now;
        labels = came.labels();
        passages = came.passages();
        walk = came.walk();
        provenance = came.provenance();
        flow = came.flow();
    }

    /**
     * What was edited in the text; null where something else was as well (styles, facts, pages), or it is not known where words stand.
     *
     * @param then over the paragraphs of {@code now}
     */
    static Found between(StandingText came, Document now, Walk then, FieldAnswers fields) {
        Document before = came.document();
        StyleChange styles = StyleChange.between(before, came.cascade(), now);
        if (styles == null || !SectionChanges.areComparable(before, now)) return null;
        TextEdits edits = new TextEdits(came, now, styles, fields);
        edits.reachesSections(SectionChanges.paged(before, now));
        List<Edit> inHeads = HeadEdits.between(before, now, came.heads(), styles.was());
        if (inHeads == null) edits.reachesSections(SectionChanges.framed(before, now));
        if (!edits.compare(then) || !edits.compareBlocks()) return null;
        boolean words = styles.isNone() && !edits.styled && edits.edits.stream().allMatch(Edit::isOfWords);
        boolean counted = before.numbering().equals(now.numbering());
        if (came.walk().stops().size() != then.stops().size() || !words || !counted) edits.compareLabels(then);
        return new Found(edits.edits, edits.others, edits.elsewhere, edits.described, inHeads == null ? List.of() : inHeads, edits.relabelled,
                new Answers(edits.answers, edits.answered));
    }

    private void reachesSections(Set<Integer> sections) {
        if (!sections.isEmpty()) for (Walk.Stop stop : walk.stops()) if (sections.contains(stop.path().step(0))) reaches(stop.paragraph());
    }

    /** Compares paragraph by paragraph between those that are the same: what is as many is the same, edited. */
    private boolean compare(Walk then) {
        List<Walk.Stop> old = walk.stops();
        List<Walk.Stop> fresh = then.stops();
        boolean one = old.size() == fresh.size();
        // Where no style is another, nothing is to be told of the beginning and the end that stayed.
        int least = styles.isNone() ? Math.min(old.size(), fresh.size()) : 0;
        int next = 0;
        while (next < least && old.get(next).paragraph() == fresh.get(next).paragraph()) next++;
        int tail = 0;
        while (tail < least - next && old.get(old.size() - 1 - tail).paragraph() == fresh.get(fresh.size() - 1 - tail).paragraph()) tail++;
        Map<Paragraph, Integer> places = new IdentityHashMap<>();
        for (int i = next; i < fresh.size() - tail; i++) places.put(fresh.get(i).paragraph(), i);
        int from = next;
        for (int i = next; i <= old.size() - tail; i++) {
            int same = i == old.size() - tail ? fresh.size() - tail : places.getOrDefault(old.get(i).paragraph(), -1);
            // One that came back from a queue is another object, and the same.
            if (same < 0 && one && old.get(i).paragraph().equals(fresh.get(i).paragraph())) same = i;
            if (same < next) continue;
            List<Walk.Stop> between = fresh.subList(next, same);
            boolean none = from == i && between.isEmpty();
            boolean known = none || putInRows(from, i, between, then) || between(from, i, between);
            if (!known || i < old.size() - tail && !restyled(i)) return false;
            from = i + 1;
            next = same + 1;
        }
        return true;
    }

    /** A paragraph that stays, and looks otherwise where its style is another. */
    private boolean restyled(int stop) {
        Paragraph old = walk.stops().get(stop).paragraph();
        boolean whole = styles.sets(old) || styles.reachesOn(old);
        if (!whole && (!styles.dresses(old) || add(stop, old))) return true;
        if (!styles.reachesOn(old) && (realigned(stop, old, old) || setWithOtherWords(stop, old, old))) return true;
        others.add(OtherEdit.whole(old));
        reaches(stop);
        return true;
    }

    /** Rows that were put into a table behind one of its rows, whose paragraphs may be edited themselves. */
    private boolean putInRows(int from, int to, List<Walk.Stop> fresh, Walk then) {
        AddedRows rows = rows();
        AddedRows.Put put = rows.among(from, to, fresh, then);
        AddedRows.Found below = put == null ? null : rows.below(put.above(), put.stops());
        StandingPassages.Found found = below == null ? null : passages.below(below);
        if (found == null) return false;
        int already = edits.size();
        for (Map.Entry<Integer, Paragraph> one : put.others().entrySet()) {
            if (isDescribed(walk.stops().get(one.getKey()).paragraph(), one.getValue()) || add(one.getKey(), one.getValue())) continue;
            edits.subList(already, edits.size()).clear();
            return false;
        }
        return edits.add(new Edit(found.page(), found.correction(), List.of(walk.stops().get(below.beside()).paragraph()),
                put.stops().stream().map(Walk.Stop::paragraph).toList(), 0, 0));
    }

    private AddedRows rows() {
        return new AddedRows(before, now, styles, walk, provenance, new FreshParagraphs(styles, walk, provenance, labels, flow));
    }

    /** Rows that were taken out of a table, some of which are there still. */
    private boolean takenOut(int from, int to) {
        if (!AddedRows.areAll(walk, from, to, before)) return false;
        StandingPassages.Found found = passages.without(from, to, rows().height(from, to));
        List<Paragraph> gone = walk.stops().subList(from, to).stream().map(Walk.Stop::paragraph).toList();
        return found != null && edits.add(new Edit(found.page(), found.correction(), gone, List.of(), 0, 0));
    }

    /** Compares the paragraphs between two that are the same; where they are not as many, what stands there is edited otherwise. */
    private boolean between(int from, int to, List<Walk.Stop> fresh) {
        boolean many = to - from == fresh.size();
        List<Paragraph> paragraphs = fresh.stream().map(Walk.Stop::paragraph).toList();
        if (!many && !fresh.isEmpty()) {
            boolean one = IntStream.range(from + 1, to).allMatch(i -> Partners.isLike(walk.stops().get(from).paragraph(), walk.stops().get(i).paragraph()));
            if (one && part(from, to, paragraphs) || putIn(from, to, paragraphs) || !one && part(from, to, paragraphs)) return true;
        }
        if (fresh.isEmpty() && takenOut(from, to)) return true;
        for (int i = from; i < to; i++) {
            if (many && isDescribed(walk.stops().get(i).paragraph(), fresh.get(i - from).paragraph())) continue;
            if (many && isAnswered(walk.stops().get(i).paragraph(), fresh.get(i - from).paragraph())) continue;
            if (many ? add(i, fresh.get(i - from).paragraph()) : fresh.isEmpty() && remove(i)) continue;
            OtherEdit other = many ? OtherEdit.between(walk.stops().get(i).paragraph(), fresh.get(i - from).paragraph())
                    : OtherEdit.whole(walk.stops().get(i).paragraph());
            others.add(other);
            Set<Integer> pages = other.pages(provenance);
            elsewhere.addAll(pages);
            if (pages.isEmpty()) reaches(i);
        }
        if (from == to && !fresh.isEmpty()) reachesBetween(from - 1, from);
        return others.isEmpty() && (from < to || fresh.isEmpty()) || !elsewhere.isEmpty();
    }

    /** Whether two are the same but for what was written into fields. */
    private boolean isAnswered(Paragraph old, Paragraph now) {
        Map<String, String> own = fields.between(old, now);
        if (own == null) return false;
        answers.putAll(own);
        return answered.add(OtherEdit.between(old, now));
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

    /** The pages of a paragraph; of one that shows no letter that of its pictures, or those that it is between. */
    private void reaches(int stop) {
        Paragraph paragraph = walk.stops().get(stop).paragraph();
        reaches(paragraph);
        List<Provenance.Shown> pictures = provenance.pictures(paragraph);
        for (Provenance.Shown picture : pictures) elsewhere.add(picture.page());
        if (provenance.of(paragraph).isEmpty() && pictures.isEmpty()) reachesBetween(stop - 1, stop + 1);
    }

    /** What comes or goes reaches the pages of what it stands between. */
    private void reachesBetween(int above, int below) {
        int before = above;
        while (before >= 0 && provenance.of(walk.stops().get(before).paragraph()).isEmpty()) before--;
        int after = below;
        while (after < walk.stops().size() && provenance.of(walk.stops().get(after).paragraph()).isEmpty()) after++;
        List<Provenance.Line> ends = before < 0 ? List.of() : provenance.of(walk.stops().get(before).paragraph());
        if (!ends.isEmpty()) elsewhere.add(ends.get(ends.size() - 1).page());
        if (after < walk.stops().size()) elsewhere.add(provenance.of(walk.stops().get(after).paragraph()).get(0).page());
    }

    /** Tables, lists of contents and what else is no paragraph: where one is another but for its text, what stands in it is edited otherwise. */
    private boolean compareBlocks() {
        Map<Paragraph, Paragraph> pairs = new IdentityHashMap<>(described);
        for (List<OtherEdit> some : List.of(others, answered)) for (OtherEdit other : some) if (other.now() != null) pairs.put(other.old(), other.now());
        BlockEdits blocks = new BlockEdits(before, now, walk, edits, pairs);
        boolean words = others.isEmpty() && elsewhere.isEmpty() && edits.stream().allMatch(edit -> edit.isPlain() && !edit.isGone());
        if (words && blocks.areAll()) return true;
        for (Block block : blocks.others()) {
            List<Walk.Stop> stops = Walk.of(List.of(block), BlockPath.of(0), 0).stops();
            for (Walk.Stop stop : stops) reaches(stop.paragraph());
            if (block instanceof Table && stops.stream().allMatch(stop -> walk.indexOf(stop.paragraph()) < 0)) reachesTable(stops);
        }
        return !words || !elsewhere.isEmpty();
    }

    /** A table that came is more than its words: its page is set anew with it. */
    private void reachesTable(List<Walk.Stop> stops) {
        Set<Paragraph> cells = Collections.newSetFromMap(new IdentityHashMap<>());
        for (Walk.Stop stop : stops) cells.add(stop.paragraph());
        for (Edit edit : edits) if (!edit.isOfRows() && edit.nows.stream().anyMatch(cells::contains)) elsewhere.add(edit.page);
    }

    /** Where paragraphs came or went, others may be counted otherwise: their labels are corrected, or all of their pages is reached. */
    private void compareLabels(Walk then) {
        Map<Paragraph, Paragraph> edited = new IdentityHashMap<>();
        for (Edit edit : edits) if (edit.isPlain() && !edit.isGone()) edited.put(edit.old(), edit.nows.get(0));
        boolean counted = before.numbering().equals(now.numbering());
        Cascade cascade = counted ? null : Cascade.of(now);
        for (Walk.Stop stop : walk.stops()) {
            Paragraph old = stop.paragraph();
            // The levels of lists say how far in their items stand.
            if (!counted && then.indexOf(old) >= 0 && !styles.was().paragraph(old).equals(cascade.paragraph(old))) reaches(walk.indexOf(old));
            Paragraph is = described.getOrDefault(old, edited.getOrDefault(old, old));
            // Of what was put in the place of several all labels are told with it.
            if (parted.contains(walk.indexOf(old)) || is == old && then.indexOf(old) < 0) continue;
            if (labels.label(old) == null && fresh().label(is) == null) continue;
            Look was = styles.was().label(old, Look.PLAIN);
            Look look = styles.is().label(is, Look.PLAIN);
            if (Objects.equals(labels.label(old), fresh().label(is)) && was.equals(look)) continue;
            Correction correction = labels.relabelled(old, fresh().label(is), was, look);
            if (correction == null) reaches(walk.indexOf(old));
            else relabelled.add(new Edit(provenance.of(old).get(0).page(), correction, List.of(old), List.of(is), 0, 0));
        }
    }

    /** The labels as they are to be. */
    private ListLabels fresh() {
        if (fresh == null) fresh = ListLabels.of(now, Cascade.of(now));
        return fresh;
    }

    /** A paragraph that is gone: what follows takes its place, where that can be had on its page. */
    private boolean remove(int stop) {
        Correction correction = passages.removal(stop);
        if (correction == null) return false;
        Paragraph gone = walk.stops().get(stop).paragraph();
        edits.add(new Edit(passages.page(stop), correction, List.of(gone), List.of(), 0, gone.length()));
        return true;
    }

    private boolean add(int stop, Paragraph fresh) {
        Paragraph old = walk.stops().get(stop).paragraph();
        if (realigned(stop, old, fresh) || filled(stop, old, fresh) || setWithOtherWords(stop, old, fresh)) return true;
        Paragraph said = Realignment.isUnseen(styles.was().paragraph(old), styles.is().paragraph(fresh)) ? fresh.withLook(old.look()) : fresh;
        List<WordChange> changes = WordChange.all(styles, unremarked(old), unremarked(said));
        List<Edit> own = new ArrayList<>();
        for (int i = 0; changes != null && i < changes.size(); i++) {
            WordChange change = changes.get(i);
            StandingPassages.Found found = passages.of(stop, stop + 1, change, List.of());
            if (found == null) return false;
            own.add(new Edit(found.page(), found.correction(), List.of(old), List.of(fresh), change.from(), change.to()));
        }
        return edits.addAll(own);
    }

    /** Words for a cell that said nothing. */
    private boolean filled(int stop, Paragraph old, Paragraph fresh) {
        if (old.length() > 0 || fresh.text().isBlank() || !provenance.of(old).isEmpty()) return false;
        Look look = styles.is().text(fresh, fresh.inlines().get(0).look());
        EmptyCells.Found empty = new EmptyCells(before, styles.was(), walk, provenance).of(stop, look.get(TextProperty.SIZE, 10.0));
        List<Correction.Run> runs = empty == null ? null : new FreshParagraphs(styles, walk, provenance, labels, flow).runs(empty.beside(), List.of(fresh));
        StandingPassages.Found found = runs == null ? null : passages.filled(empty, runs, WordChange.setting(styles.is(), fresh));
        return found != null && edits.add(new Edit(found.page(), found.correction(), List.of(old), List.of(fresh), 0, 0));
    }

    /** A paragraph that says what it said, in lines that stand otherwise; or in lines that stand as they did, though they might not elsewhere. */
    private boolean realigned(int stop, Paragraph old, Paragraph fresh) {
        Look was = styles.was().paragraph(old);
        Look is = styles.is().paragraph(fresh);
        boolean other = !old.style().equals(fresh.style());
        styled |= other;
        boolean same = other ? WordChange.isSaid(styles, silent(old), silent(fresh))
                : silent(old).inlines().equals(silent(fresh).inlines()) && !styles.dresses(old);
        if (!same || !other && was.equals(is) || !Realignment.isAll(was, is)) return false;
        if (Realignment.isUnseen(was, is)) {
            described.put(old, fresh);
            return true;
        }
        StandingPassages.Found found = passages.realigned(stop, was, is, WordChange.setting(styles.is(), fresh));
        return found != null && edits.add(new Edit(found.page(), found.correction(), List.of(old), List.of(fresh), 0, 0));
    }

    /** A paragraph that says something else, in lines that stand otherwise: a heading that was written anew and set in the middle. */
    private boolean setWithOtherWords(int stop, Paragraph old, Paragraph fresh) {
        Look was = styles.was().paragraph(old);
        Look is = styles.is().paragraph(fresh);
        boolean both = Realignment.isAll(was, is) && !Realignment.isUnseen(was, is);
        WordChange change = both ? WordChange.whole(styles, unremarked(old), unremarked(fresh)) : null;
        StandingPassages.Found words = change == null ? null : passages.of(stop, stop + 1, change, List.of());
        StandingPassages.Found lines = words == null ? null : passages.realigned(stop, was, is, WordChange.setting(styles.is(), fresh));
        boolean one = lines != null && words.page() == lines.page() && words.correction().passage().lines().equals(lines.correction().passage().lines());
        if (!one) return false;
        Correction correction = lines.correction().saying(words.correction());
        return edits.add(new Edit(lines.page(), correction, List.of(old), List.of(fresh), change.from(), change.to()));
    }

    /**
     * Paragraphs that came, were parted or joined: their words with the ends of paragraphs among them, in the place of others. What is put in between two
     * goes on from the one before it, or leads to the one after it, whichever it is like.
     */
    private boolean part(int from, int to, List<Paragraph> fresh) {
        List<Paragraph> all = new ArrayList<>(fresh);
        int first = from;
        int after = to;
        if (from == to) {
            if (from > 0 && isLike(from - 1, fresh)) all.add(0, walk.stops().get(--first).paragraph());
            else if (to < walk.stops().size() && isLike(to, fresh)) all.add(walk.stops().get(after++).paragraph());
            else return false;
        }
        List<Paragraph> old = walk.stops().subList(first, after).stream().map(Walk.Stop::paragraph).toList();
        for (int i = first; i < after; i++) if (parted.contains(i)) return false;
        if (!all.stream().allMatch(one -> old.stream().anyMatch(other -> Partners.isLike(other, one)))) return false;
        WordChange change = WordChange.between(styles, WordChange.joined(old.stream().map(TextEdits::unremarked).toList()),
                WordChange.joined(all.stream().map(TextEdits::unremarked).toList()));
        List<Correction.Label> counted = change == null ? null : labels.of(old, all.stream().map(fresh()::label).toList());
        StandingPassages.Found found = counted == null ? null : passages.of(first, after, change, counted);
        if (found == null) return false;
        for (int i = first; i < after; i++) parted.add(i);
        edits.add(new Edit(found.page(), found.correction().levelled(levels(all)), old, all, change.from(), change.to()));
        return true;
    }

    /**
     * Paragraphs that were put in, set otherwise than those between which they are, which may be edited themselves: each run of them goes with the text that
     * it is beside.
     */
    private boolean putIn(int from, int to, List<Paragraph> all) {
        FreshParagraphs put = new FreshParagraphs(styles, walk, provenance, labels, flow);
        int[] partners = Partners.of(walk.stops().subList(from, to).stream().map(Walk.Stop::paragraph).toList(), all);
        if (partners == null) return false;
        for (int i = 0; i < partners.length; i++) if (partners[i] >= 0) partners[i] += from;
        List<Edit> made = new ArrayList<>();
        Set<Integer> done = new HashSet<>();
        for (int i = 0, end; i < all.size(); i = end + 1) {
            end = i;
            if (partners[i] >= 0) continue;
            while (end < all.size() && partners[end] < 0) end++;
            List<Paragraph> fresh = all.subList(i, end);
            int above = i > 0 ? partners[i - 1] : from - 1;
            int below = end < all.size() ? partners[end] : to;
            Edit edit = null;
            for (int stop : order(put, above, below)) {
                if (edit != null || done.contains(stop) || parted.contains(stop) || stop < 0 || stop >= walk.stops().size()) continue;
                Paragraph is = stop == above && i > 0 ? all.get(i - 1) : stop == below && end < all.size() ? all.get(end) : walk.stops().get(stop).paragraph();
                edit = edit(stop == above ? put.behind(stop, is, fresh) : put.before(stop, is, fresh), done);
            }
            if (edit == null) return false;
            made.add(edit);
        }
        int before = edits.size();
        for (int i = 0; i < all.size(); i++) {
            if (partners[i] < 0 || done.contains(partners[i])) continue;
            if (isDescribed(walk.stops().get(partners[i]).paragraph(), all.get(i)) || add(partners[i], all.get(i))) continue;
            edits.subList(before, edits.size()).clear();
            return false;
        }
        parted.addAll(done);
        return edits.addAll(made);
    }

    /** Text is put in beside text rather than beside headings, whose part it would be for those who have pages read to them. */
    private int[] order(FreshParagraphs put, int above, int below) {
        boolean text = isHeading(above) && !isHeading(below) && put.isBelow(above, below);
        return text ? new int[] {below, above} : new int[] {above, below};
    }

    private boolean isHeading(int stop) {
        return stop >= 0 && stop < walk.stops().size() && styles.was().outlineLevel(walk.stops().get(stop).paragraph()) > 0;
    }

    private Edit edit(FreshParagraphs.Beside beside, Set<Integer> done) {
        StandingPassages.Found found = beside == null ? null : passages.of(beside);
        if (found == null) return null;
        done.add(beside.stop());
        return new Edit(found.page(), found.correction().levelled(levels(beside.nows())), List.of(walk.stops().get(beside.stop()).paragraph()), beside.nows(),
                beside.change().from(), beside.change().to());
    }

    /** The levels of the headings that paragraphs are, 0 for none. */
    private List<Integer> levels(List<Paragraph> paragraphs) { return paragraphs.stream().map(styles.is()::outlineLevel).toList(); }

    private boolean isLike(int stop, List<Paragraph> fresh) {
        return fresh.stream().allMatch(one -> Partners.isLike(walk.stops().get(stop).paragraph(), one));
    }
}
