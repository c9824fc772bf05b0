package app.decant.recover;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.pdf.form.FileField;
import app.decant.recover.PageLetters.Letter;
import app.decant.recover.region.FieldPlaces;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;

/** Makes the fields of a PDF's form (ISO 32000-2, 12.7) controls of the document, to be filled in there and written by formats that have such. */
final class FieldControls {
    private final Document document;
    private final Provenance provenance;
    private final PageLetters letters;
    private final Map<Paragraph, List<Stretch>> stretches = new IdentityHashMap<>();
    private int number;

    /** The letters of a paragraph that a field holds. */
    private record Stretch(int from, int to, FormField field) { }

    /**
     * The same with controls.
     *
     * @param carried how many fields have one
     */
    record Controlled(Document document, Provenance provenance, int carried) { }

    private FieldControls(Document document, Provenance provenance) {
        this.document = document;
        this.provenance = provenance;
        letters = new PageLetters(document, provenance);
    }

    static Controlled on(Document document, Provenance provenance, FieldPlaces fields) {
        if (IntStream.range(0, provenance.sheets().size()).allMatch(page -> fields.on(page).isEmpty())) return new Controlled(document, provenance, 0);
        FieldControls controls = new FieldControls(document, provenance);
        // A field that shows in several places is carried where all of them are.
        Map<FileField, Boolean> whole = new IdentityHashMap<>();
        for (int page = 0; page < provenance.sheets().size(); page++)
            for (FieldPlaces.Field field : fields.on(page)) whole.merge(field.field(), controls.hold(field, page), Boolean::logicalAnd);
        int carried = (int) whole.values().stream().filter(held -> held).count();
        return controls.stretches.isEmpty() ? new Controlled(document, provenance, 0) : controls.done(carried);
    }

    private boolean hold(FieldPlaces.Field one, int page) {
        FormField.Kind kind = switch (one.field().kind()) {
            case TEXT -> FormField.Kind.TEXT;
            case TICK -> FormField.Kind.TICK;
            case LIST -> FormField.Kind.CHOICE;
            case CIRCLES -> null;
        };
        if (kind == null) return false;
        Provenance.Sheet sheet = provenance.sheets().get(page);
        Rectangle2D area = one.area(sheet.turn(), sheet.width(), sheet.height());
        Map<Paragraph, int[]> reach = new IdentityHashMap<>();
        for (Letter letter : letters.on(page)) {
            if (!letter.isIn(area)) continue;
            int[] ends = reach.computeIfAbsent(letter.paragraph(), key -> new int[] {letter.offset(), letter.offset() + 1});
            ends[0] = Math.min(ends[0], letter.offset());
            ends[1] = Math.max(ends[1], letter.offset() + 1);
        }
        boolean whole = !reach.isEmpty() && letters.on(page).stream().allMatch(letter -> letter.isIn(area) || !isWithin(letter, reach.get(letter.paragraph())));
        if (!whole || kind == FormField.Kind.TICK && reach.values().stream().anyMatch(ends -> ends[1] - ends[0] > 1)) return false;
        FormField field = new FormField(++number, kind, true, one.field().name(), one.field().choices().stream().map(FileField.Choice::words).toList(), null);
        reach.forEach((paragraph, ends) -> stretches.computeIfAbsent(paragraph, key -> new ArrayList<>()).add(new Stretch(ends[0], ends[1], field)));
        return true;
    }

    private static boolean isWithin(Letter letter, int[] ends) { return ends != null && letter.offset() >= ends[0] && letter.offset() < ends[1]; }

    private Controlled done(int carried) {
        SortedMap<BlockPath, Block> changed = new TreeMap<>();
        Map<Paragraph, Paragraph> now = new IdentityHashMap<>();
        stretches.forEach((paragraph, some) -> {
            Paragraph made = paragraph;
            for (Stretch one : some) made = controlled(made, one);
            changed.put(letters.path(paragraph), made);
            now.put(paragraph, made);
        });
        return new Controlled(document.replacing(Story.BODY, changed), provenance.with(now), carried);
    }

    private static Paragraph controlled(Paragraph paragraph, Stretch one) {
        List<Inline> inlines = new ArrayList<>(paragraph.slice(0, one.from));
        for (Inline inline : paragraph.slice(one.from, one.to)) {
            Look look = inline.look().with(TextProperty.FORM, one.field);
            boolean empty = inline instanceof Inline.Text text && text.text().equals(FieldPlaces.BLANK);
            // An empty place shows a line to write on, whatever frame it had.
            inlines.add(empty ? new Inline.Text(FormField.EMPTY, look.with(TextProperty.UNDERLINE, TextProperty.Underline.SINGLE)) : inline.with(look));
        }
        inlines.addAll(paragraph.slice(one.to, paragraph.length()));
        return paragraph.withInlines(inlines);
    }
}
