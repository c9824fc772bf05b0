package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Walk;
import com.github.difflib.DiffUtils;
import com.github.difflib.algorithm.myers.MyersDiff;
import com.github.difflib.patch.AbstractDelta;
import com.github.difflib.patch.DeltaType;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Does to one document what was done to another that reads alike, such as to the document that a PDF was made from what was corrected in the PDF. Passages are
 * found by their letters and their order; looks stay those of the other document.
 */
public final class LikewiseChanges {
    /** Of paragraphs laid beside each other: the way through them takes room by how much differs, squared. */
    private static final long MOST_PAIRS = 25_000_000;
    private static final int AMBIGUOUS = -1;

    private final Document came;
    private final Document now;
    private final List<Walk.Stop> stops;
    /** Where the paragraphs of the document that came stand in the other one. */
    private final Map<Paragraph, Integer> counterparts = new IdentityHashMap<>();
    private final List<Structural> structural = new ArrayList<>();
    private Document other;
    private int made;
    private int left;

    /**
     * The other document with the changes.
     *
     * @param made how many passages of it were changed
     * @param left how many changes have no place in it: their passages read otherwise there, or only looks were changed
     */
    public record Result(Document document, int made, int left) { }

    /** A paragraph by its letters, alone and with the label it bears on paper. */
    private record Letters(String plain, String labelled) {
        boolean isLike(Letters one) { return plain.equals(one.plain) || plain.equals(one.labelled) || labelled.equals(one.plain); }
    }

    /** A paragraph to be put in behind a place, or to be taken out; done last, from the end on, so that paths hold. */
    private record Structural(BlockPath path, Paragraph added) { }

    /** A stretch of the old text, and what stands there now. */
    private record Replacement(int from, int to, String text) { }

    private LikewiseChanges(Document came, Document now, Document other) {
        this.came = came;
        this.now = now;
        this.other = other;
        stops = Walk.of(other).stops();
    }

    /**
     * Makes them.
     *
     * @param came  as it was before
     * @param now   as it is
     * @param other what is to be changed likewise
     */
    public static Result make(Document came, Document now, Document other) {
        LikewiseChanges changes = new LikewiseChanges(came, now, other);
        changes.align();
        for (WhatChanged.Passage passage : WhatChanged.since(came, now)) changes.make(passage);
        // Of several behind the same paragraph, the last goes in first.
        Collections.reverse(changes.structural);
        changes.structural.stream().sorted(Comparator.comparing(Structural::path).reversed()).forEach(changes::make);
        return new Result(changes.other, changes.made, changes.left);
    }

    private void align() {
        List<Walk.Stop> before = Walk.of(came).stops();
        List<Letters> ones = letters(came, before);
        List<Letters> others = letters(other, stops);
        if ((long) ones.size() * others.size() > MOST_PAIRS) {
            alignUnique(before, ones, others);
            return;
        }
        for (AbstractDelta<Letters> delta : DiffUtils.diff(ones, others, new MyersDiff<>(Letters::isLike), null, true).getDeltas()) {
            if (delta.getType() != DeltaType.EQUAL) continue;
            for (int i = 0; i < delta.getSource().size(); i++)
                counterparts.put(before.get(delta.getSource().getPosition() + i).paragraph(), delta.getTarget().getPosition() + i);
        }
    }

    /** Documents too long to be laid beside each other: what is there once in both is the same. */
    private void alignUnique(List<Walk.Stop> before, List<Letters> ones, List<Letters> others) {
        Map<String, Integer> there = new HashMap<>();
        for (int i = 0; i < others.size(); i++)
            for (String letters : new String[] {others.get(i).plain, others.get(i).labelled}) {
                int place = i;
                there.merge(letters, place, (known, now) -> known == place ? known : AMBIGUOUS);
            }
        Map<String, Integer> here = new HashMap<>();
        for (Letters one : ones) here.merge(one.plain, 1, Integer::sum);
        for (int i = 0; i < ones.size(); i++) {
            int index = there.getOrDefault(ones.get(i).plain, AMBIGUOUS);
            if (index != AMBIGUOUS && here.get(ones.get(i).plain) == 1) counterparts.put(before.get(i).paragraph(), index);
        }
    }

    private static List<Letters> letters(Document document, List<Walk.Stop> stops) {
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        return stops.stream().map(stop -> {
            String plain = letters(stop.paragraph().plainText());
            String label = labels.label(stop.paragraph());
            return new Letters(plain, label == null ? plain : letters(label) + plain);
        }).toList();
    }

    private static String letters(String text) {
        StringBuilder letters = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) if (counts(text.charAt(i))) letters.append(text.charAt(i));
        return letters.toString();
    }

    private static boolean counts(char c) { return !Character.isWhitespace(c) && !Character.isSpaceChar(c) && c != '\u00AD'; }

    private void make(WhatChanged.Passage passage) {
        boolean done = switch (passage.kind()) {
            case REWORDED -> passage.old() instanceof Paragraph old && passage.now() instanceof Paragraph && reword(old, passage.pieces());
            case REMOVED -> passage.old() instanceof Paragraph old && remove(old);
            case ADDED -> passage.now() instanceof Paragraph added && add(passage, added);
            case RELOOKED -> false;
        };
        if (done) made++;
        else left++;
        if (passage.old() instanceof Paragraph old && passage.now() instanceof Paragraph present && counterparts.containsKey(old))
            counterparts.put(present, counterparts.get(old));
    }

    private boolean reword(Paragraph old, List<WhatChanged.Piece> pieces) {
        Integer index = counterparts.get(old);
        if (index == null) return false;
        Walk.Stop there = stops.get(index);
        String text = there.paragraph().plainText();
        List<Replacement> replacements = replacements(old.plainText(), pieces, text);
        if (replacements == null) return false;
        for (int i = replacements.size() - 1; i >= 0; i--) {
            Replacement one = replacements.get(i);
            TextSelection stretch = new TextSelection(new Place(there.path(), one.from), new Place(there.path(), one.to));
            other = (one.text.isEmpty() ? Deletion.delete(other, stretch) : Typing.type(other, stretch, one.text, null)).after();
        }
        return true;
    }

    /** What is to be replaced in the other text, in order; null where something of it has no place there. */
    private static List<Replacement> replacements(String old, List<WhatChanged.Piece> pieces, String text) {
        // What the other paragraph bears as its label may stand among the words here.
        int label = letters(old).length() - letters(text).length();
        List<Replacement> replacements = new ArrayList<>();
        int at = 0;
        for (int i = 0; i < pieces.size(); i++) {
            WhatChanged.Piece piece = pieces.get(i);
            if (piece.fate() == WhatChanged.Piece.Fate.STAYED) {
                at += piece.words().length();
                continue;
            }
            String gone = piece.fate() == WhatChanged.Piece.Fate.GONE ? piece.words() : "";
            if (!gone.isEmpty() && i + 1 < pieces.size() && pieces.get(i + 1).fate() == WhatChanged.Piece.Fate.CAME) i++;
            String came = pieces.get(i).fate() == WhatChanged.Piece.Fate.CAME ? pieces.get(i).words() : "";
            int from = at;
            at += gone.length();
            // Spaces are set otherwise in every kind of file.
            if (letters(gone).isEmpty() && letters(came).isEmpty()) continue;
            int first = letters(old.substring(0, from)).length() - label;
            if (first < 0 || gone.indexOf(Inline.OBJECT) >= 0 || came.indexOf(Inline.OBJECT) >= 0) return null;
            boolean afterSpace = gone.isEmpty() ? from > 0 && !counts(old.charAt(from - 1)) : counts(gone.charAt(0));
            int start = gone.isEmpty() && from == 0 ? 0 : afterSpace ? before(text, first) : behind(text, first);
            int end = gone.isEmpty() ? start : counts(gone.charAt(gone.length() - 1)) ? behind(text, first + letters(gone).length())
                    : before(text, first + letters(gone).length());
            replacements.add(new Replacement(start, Math.max(start, end), came));
        }
        return replacements;
    }

    /** The place right behind the first so many letters of a text. */
    private static int behind(String text, int count) {
        if (count == 0) return 0;
        int seen = 0;
        for (int i = 0; i < text.length(); i++) if (counts(text.charAt(i)) && ++seen == count) return i + 1;
        return text.length();
    }

    /** The place right before the letter that so many others precede. */
    private static int before(String text, int count) {
        int seen = 0;
        for (int i = 0; i < text.length(); i++) if (counts(text.charAt(i)) && seen++ == count) return i;
        return text.length();
    }

    private boolean remove(Paragraph old) {
        Integer index = counterparts.get(old);
        if (index == null || other.children(Story.BODY, stops.get(index).path().parent()).size() < 2) return false;
        structural.add(new Structural(stops.get(index).path(), null));
        return true;
    }

    /** Puts a paragraph in behind the counterpart of the one it follows, in the look of that one. */
    private boolean add(WhatChanged.Passage passage, Paragraph added) {
        if (!(passage.story() instanceof Story.Body) || added.plainText().indexOf(Inline.OBJECT) >= 0) return false;
        List<? extends Block> siblings = now.children(Story.BODY, passage.container());
        for (int i = passage.index() - 1; i >= 0; i--) {
            Integer index = siblings.get(i) instanceof Paragraph before ? counterparts.get(before) : null;
            if (index == null) continue;
            Paragraph like = stops.get(index).paragraph();
            structural.add(new Structural(stops.get(index).path(), like.withInlines(List.of(new Inline.Text(added.plainText(), Look.PLAIN)))));
            return true;
        }
        return false;
    }

    private void make(Structural step) {
        BlockPath container = step.path.parent();
        int at = step.path.last();
        BlockStep taken = step.added == null ? new BlockStep(Story.BODY, container, at, at + 1, List.of())
                : new BlockStep(Story.BODY, container, at + 1, at + 1, List.of(step.added));
        other = taken.apply(other).document();
    }
}
