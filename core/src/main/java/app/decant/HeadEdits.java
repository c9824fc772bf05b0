package app.decant;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Rewriting;
import app.decant.document.Section.FramePlace;
import app.decant.document.Story;
import app.decant.document.Walk;
import app.decant.page.PageNumbers;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What was edited in the headers and footers of a document that came from a PDF: words in the place of others, on every page that shows them. */
final class HeadEdits {
    private final Cascade cascade;
    private final StandingHeads heads;
    private final List<TextEdits.Edit> edits = new ArrayList<>();

    private HeadEdits(Cascade cascade, StandingHeads heads) {
        this.cascade = cascade;
        this.heads = heads;
    }

    /** The edits page by page; null where something else in headers and footers is another, or it is not known where one stands. */
    static List<TextEdits.Edit> between(Document before, Document now, StandingHeads heads, Cascade cascade) {
        if (before.sections().size() != now.sections().size()) return null;
        Map<Paragraph, Paragraph> changed = new IdentityHashMap<>();
        for (int i = 0; i < before.sections().size(); i++)
            if (!compare(before, now, i, changed)) return null;
        HeadEdits edits = new HeadEdits(cascade, heads);
        for (Map.Entry<Paragraph, Paragraph> one : changed.entrySet()) if (!edits.add(one.getKey(), one.getValue())) return null;
        return edits.edits;
    }

    /**
     * What a page that is put in behind another is counted as in its headers and footers.
     *
     * @param last whether none follows it that is counted so already
     */
    static List<Correction> recounted(StandingHeads heads, int page, boolean last, Cascade cascade) {
        HeadEdits edits = new HeadEdits(cascade, heads);
        List<Correction> recounted = new ArrayList<>();
        for (StandingHeads.One one : heads.on(page)) {
            int at = 0;
            for (Inline inline : one.paragraph().inlines()) {
                if (inline instanceof Inline.Field field && field.kind() == Inline.Field.Kind.PAGE && one.letters()[at] >= 0) {
                    String number = one.line().letters().substring(one.letters()[at], one.after(at));
                    String next = PageNumbers.behind(number, last);
                    Correction correction = edits.correction(one, new WordChange(at, at + 1, at + 1, List.of(Correction.Run.plain(next))));
                    if (correction != null) recounted.add(correction);
                }
                at += inline.length();
            }
        }
        return recounted;
    }

    private static boolean compare(Document before, Document now, int section, Map<Paragraph, Paragraph> changed) {
        Map<FramePlace, List<Block>> was = before.sections().get(section).frames();
        Map<FramePlace, List<Block>> is = now.sections().get(section).frames();
        if (was == is) return true;
        if (!was.keySet().equals(is.keySet())) return false;
        for (FramePlace place : was.keySet()) {
            if (was.get(place).equals(is.get(place))) continue;
            List<Walk.Stop> old = Walk.of(before, new Story.Frame(section, place)).stops();
            List<Walk.Stop> fresh = Walk.of(now, new Story.Frame(section, place)).stops();
            if (old.size() != fresh.size()) return false;
            Map<Paragraph, Paragraph> own = new IdentityHashMap<>();
            for (int i = 0; i < old.size(); i++)
                if (!old.get(i).paragraph().equals(fresh.get(i).paragraph())) own.put(fresh.get(i).paragraph(), old.get(i).paragraph());
            if (!new PutBack(own).all(is.get(place)).equals(was.get(place))) return false;
            own.forEach((after, first) -> changed.put(first, after));
        }
        return true;
    }

    /** Headers and footers with the paragraphs that were there before: what is another then is so beyond its words. */
    private static final class PutBack extends Rewriting {
        private final Map<Paragraph, Paragraph> before;

        PutBack(Map<Paragraph, Paragraph> before) { this.before = before; }

        List<Block> all(List<Block> blocks) { return blocks(blocks); }

        @Override protected Paragraph paragraph(Paragraph paragraph) { return before.getOrDefault(paragraph, paragraph); }
    }

    private boolean add(Paragraph old, Paragraph now) {
        WordChange change = WordChange.between(StyleChange.none(cascade), old, now);
        if (change == null) return false;
        boolean stands = false;
        for (int page : heads.pages()) {
            for (StandingHeads.One one : heads.on(page)) {
                if (one.paragraph() != old) continue;
                Correction correction = correction(one, change);
                if (correction == null) return false;
                edits.add(new TextEdits.Edit(page, correction, List.of(old), List.of(now), change.from(), change.to()));
                stands = true;
            }
        }
        return stands;
    }

    /** The change on one page: within the part between two tabs, which stands by itself. Nothing follows it, so it has to find room on its line. */
    private Correction correction(StandingHeads.One one, WordChange change) {
        String text = one.paragraph().text();
        int from = text.lastIndexOf(Inline.TAB, change.from()) + 1;
        int to = text.indexOf(Inline.TAB, change.to());
        List<Integer> marks = new ArrayList<>();
        int begins = -1;
        int ends = -1;
        int last = next(one, to < 0 ? text.length() : to);
        for (int letter = next(one, from); letter < last; letter++) {
            int mark = one.line().marks()[letter];
            if (mark < 0) continue;
            if (marks.isEmpty() || marks.get(marks.size() - 1) != mark) marks.add(mark);
            if (begins < 0 && isWithin(one, letter, change)) begins = marks.size() - 1;
            if (isWithin(one, letter, change)) ends = marks.size();
        }
        if (begins < 0) return null;
        Correction.Passage passage = new Correction.Passage(List.of(marks), Set.of(), false, null, 0, null);
        return new Correction(passage, 0, begins, 0, ends, change.runs(), setting(one.paragraph(), text.substring(0, from)),
                WordChange.isDrawn(cascade, one.paragraph(), 0));
    }

    private static boolean isWithin(StandingHeads.One one, int letter, WordChange change) {
        for (int i = change.from(); i < change.to(); i++) if (one.letters()[i] >= 0 && letter >= one.letters()[i] && letter < one.after(i)) return true;
        return false;
    }

    /** The letter of the line that shows the first letter from there on that anything shows; after its last where there is none. */
    private static int next(StandingHeads.One one, int from) {
        for (int i = from; i < one.letters().length; i++) if (one.letters()[i] >= 0) return one.letters()[i];
        return one.line().letters().length();
    }

    private Correction.Setting setting(Paragraph paragraph, String before) {
        int tabs = (int) before.chars().filter(c -> c == Inline.TAB).count();
        TabStops stops = cascade.paragraph(paragraph).get(ParagraphProperty.TABS, null);
        if (tabs == 0 || stops == null || stops.stops().size() < tabs) return tabs == 0 ? WordChange.setting(cascade, paragraph) : Correction.Setting.AT_LEFT;
        TabStop.Kind kind = stops.stops().get(tabs - 1).kind();
        return kind == TabStop.Kind.END ? Correction.Setting.AT_RIGHT : kind == TabStop.Kind.CENTRE ? Correction.Setting.CENTRED : Correction.Setting.AT_LEFT;
    }
}
