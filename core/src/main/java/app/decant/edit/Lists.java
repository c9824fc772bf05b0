package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Story;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/** Paragraphs made items of lists, and items made paragraphs; deeper and less deep; counted anew or on. */
public final class Lists {
    /** How far each level is set in: common practice, a quarter of an inch. */
    private static final double STEP = 18;
    private static final int LEVELS = 9;
    private static final String[] SIGNS = {"\u2022", "\u2013", "\u25AA"};
    private static final NumberFormat[] COUNTS = {NumberFormat.DECIMAL, NumberFormat.LOWER_LETTER, NumberFormat.LOWER_ROMAN};

    /** What stands before the items. */
    public enum Kind { BULLETS, NUMBERS }

    private Lists() { }

    /** What list a paragraph is in; null where it is in none. Headings are counted like lists, but are none. */
    public static Kind kind(Document document, Paragraph paragraph) {
        Cascade cascade = Cascade.of(document);
        Numbering.Level level = document.numbering().level(cascade.paragraph(paragraph).get(ParagraphProperty.LIST));
        if (level == null || cascade.outlineLevel(paragraph) > 0) return null;
        return level.format() == NumberFormat.BULLET ? Kind.BULLETS : Kind.NUMBERS;
    }

    /** What is picked made a list of a kind, going on with one that stands right before it; where all of it is one already, made plain paragraphs. */
    public static Change toggle(Document document, Selection picked, Kind kind) {
        List<Selection.Stretch> stretches = picked.stretches(document);
        if (stretches.stream().allMatch(stretch -> kind(document, stretch.paragraph()) == kind)) return out(document, picked);
        Paragraph before = before(document, picked.story(), stretches.get(0).path());
        ListReference goingOn = before == null || kind(document, before) != kind ? null : Cascade.of(document).paragraph(before).get(ParagraphProperty.LIST);
        Draft draft = new Draft(document, picked);
        String list = goingOn == null ? begun(draft, kind) : goingOn.list();
        return dressed(draft, picked, stretches, paragraph -> {
            ListReference present = Cascade.of(document).paragraph(paragraph).get(ParagraphProperty.LIST);
            int level = present != null && present.list() != null ? present.level() : goingOn != null ? goingOn.level() : 0;
            return paragraph.withLook(unindented(paragraph.look()).with(ParagraphProperty.LIST, new ListReference(list, level)));
        });
    }

    /** What is picked made plain paragraphs again. */
    public static Change out(Document document, Selection picked) {
        return dressed(new Draft(document, picked), picked, picked.stretches(document), paragraph -> {
            Paragraph plain = paragraph.withLook(unindented(paragraph.look()).without(ParagraphProperty.LIST));
            // A style that makes lists is told that this one is none.
            boolean still = kind(document, plain) != null;
            return still ? plain.withLook(plain.look().with(ParagraphProperty.LIST, new ListReference(null, 0))) : plain;
        });
    }

    /** Items set deeper, or less deep; what is no item stays as it is. */
    public static Change deeper(Document document, Selection picked, int by) {
        Cascade cascade = Cascade.of(document);
        return dressed(new Draft(document, picked), picked, picked.stretches(document), paragraph -> {
            ListReference present = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
            if (kind(document, paragraph) == null) return paragraph;
            ListReference moved = new ListReference(present.list(), Math.max(0, Math.min(LEVELS - 1, present.level() + by)));
            return document.numbering().level(moved) == null ? paragraph : paragraph.withLook(unindented(paragraph.look()).with(ParagraphProperty.LIST, moved));
        });
    }

    /** The item at the caret and those of its list behind it counted from the first again. */
    public static Change restart(Document document, Selection picked) {
        BlockPath from = picked.stretches(document).get(0).path();
        Cascade cascade = Cascade.of(document);
        ListReference present = cascade.paragraph(document.paragraph(picked.head().at(0))).get(ParagraphProperty.LIST);
        Draft draft = new Draft(document, picked);
        if (kind(document, document.paragraph(picked.head().at(0))) == null) return draft.done(EditKind.LIST, picked);
        Numbering.NumberedList old = document.numbering().lists().get(present.list());
        String name = free(document.numbering());
        // Lists of one pattern count on through each other, but for those that say where they start (ISO/IEC 29500-1, 17.9.26).
        Map<Integer, Integer> starts = new HashMap<>(old.starts());
        for (int level = 0; level < LEVELS; level++) {
            Numbering.Level told = document.numbering().level(new ListReference(present.list(), level));
            if (told != null) starts.put(level, told.start());
        }
        Numbering.NumberedList anew = new Numbering.NumberedList(name, old.pattern(), starts, old.changed());
        Numbering.Pattern pattern = document.numbering().patterns().get(old.pattern());
        if (pattern != null) draft.add(new StyleStep(document.styles(), document.numbering().with(pattern, anew)));
        List<Selection.Stretch> behind = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document, picked.story()).stops()) {
            ListReference list = stop.path().compareTo(from) < 0 ? null : cascade.paragraph(stop.paragraph()).get(ParagraphProperty.LIST);
            if (list == null || !present.list().equals(list.list())) continue;
            behind.add(new Selection.Stretch(stop.path(), stop.paragraph(), 0, stop.paragraph().length()));
        }
        return dressed(draft, picked, behind, paragraph -> paragraph.withLook(paragraph.look().with(ParagraphProperty.LIST,
                new ListReference(name, cascade.paragraph(paragraph).get(ParagraphProperty.LIST).level()))));
    }

    private static Paragraph before(Document document, Story story, BlockPath path) {
        if (path.last() == 0) return null;
        return document.find(story, path.sibling(path.last() - 1)) instanceof Paragraph paragraph ? paragraph : null;
    }

    /** Where the list says how far it is set in, the paragraph does not. */
    private static Look unindented(Look look) { return look.without(ParagraphProperty.INDENT_START).without(ParagraphProperty.FIRST_LINE); }

    private static Change dressed(Draft draft, Selection picked, List<Selection.Stretch> stretches, UnaryOperator<Paragraph> change) {
        SortedMap<BlockPath, Paragraph> dressed = new TreeMap<>();
        for (Selection.Stretch stretch : stretches) {
            Paragraph made = change.apply(stretch.paragraph());
            if (!made.equals(stretch.paragraph())) dressed.put(stretch.path(), made);
        }
        if (!dressed.isEmpty()) draft.add(new DressStep(picked.story(), dressed));
        return draft.done(EditKind.LIST, picked);
    }

    /** A new list, put into the document's numbering. */
    private static String begun(Draft draft, Kind kind) {
        Numbering numbering = draft.document().numbering();
        String name = free(numbering);
        List<Numbering.Level> levels = new ArrayList<>();
        for (int level = 0; level < LEVELS; level++) {
            Look look = Look.of(ParagraphProperty.INDENT_START, STEP * (level + 1)).with(ParagraphProperty.FIRST_LINE, -STEP);
            NumberFormat format = kind == Kind.BULLETS ? NumberFormat.BULLET : COUNTS[level % COUNTS.length];
            String label = kind == Kind.BULLETS ? SIGNS[level % SIGNS.length] : "%" + (level + 1) + ".";
            levels.add(new Numbering.Level(format, 1, label, Numbering.Suffix.TAB, null, null, look));
        }
        draft.add(new StyleStep(draft.document().styles(), numbering.with(new Numbering.Pattern(name, levels),
                new Numbering.NumberedList(name, name, Map.of(), Map.of()))));
        return name;
    }

    private static String free(Numbering numbering) {
        Set<String> taken = new HashSet<>(numbering.lists().keySet());
        taken.addAll(numbering.patterns().keySet());
        int number = 1;
        while (taken.contains("list" + number)) number++;
        return "list" + number;
    }
}
