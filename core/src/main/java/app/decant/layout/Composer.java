package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Table;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.page.Passage;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;

/**
 * Sets paragraphs and stacks of blocks, and remembers paragraphs it has set: a paragraph that is the same object, at the same width, with the
 * same label and field values, is not set again.
 */
final class Composer {
    /** A table in a cell may stretch a little beyond it, as its own padding asks. */
    private static final double INNER_REACH = 24;
    private final StyleBook styles;
    private final double tabWidth;
    private final Map<Paragraph, Remembered> remembered = new IdentityHashMap<>();
    private ListLabels labels;
    private Map<Inline.Note, String> notes;
    private FieldValues fields;

    private final Traits traits;
    private final Restyling restyling;
    /** What stands apart from the text, by its first block. */
    private Map<Block, Standing> standing = new IdentityHashMap<>();
    private Function<Table, Table> kin = table -> null;
    /** Tables of the layout at hand, and for what they were set. */
    private Map<Table, SetTable> tables = new IdentityHashMap<>();
    /** Those of the layout before. */
    private Map<Table, SetTable> before = new IdentityHashMap<>();

    private record SetTable(double width, double reach, boolean hasFields, FieldValues fields, TableSetter setter) { }

    /** A paragraph as it was set, and for what. */
    record Remembered(double width, Look table, String label, String values, SetParagraph set) { }

    Composer(StyleBook styles, double tabWidth) { this(styles, tabWidth, null); }

    /** @param restyling from another composer, whose paragraphs are taken over where they look the same by the new styles; or null */
    Composer(StyleBook styles, double tabWidth, Restyling restyling) {
        this.styles = styles;
        this.tabWidth = tabWidth;
        this.traits = new Traits(styles.cascade());
        this.restyling = restyling;
    }

    Traits traits() { return traits; }

    /** What a composer remembers that may be taken over by one with other styles. */
    Map<Paragraph, Remembered> remembered() { return remembered; }

    StyleBook styles() { return styles; }
    double tabWidth() { return tabWidth; }
    FieldValues fields() { return fields; }

    /** What the document around the paragraphs says now. */
    void surround(ListLabels newLabels, Map<Inline.Note, String> newNotes, FieldValues newFields) {
        labels = newLabels;
        notes = newNotes;
        fields = newFields;
    }

    /**
     * A layout begins.
     *
     * @param related tells for a table the one of the layout before that has its rows but for some, or null
     */
    void begin(Flow flow, Function<Table, Table> related) {
        kin = related;
        before.putAll(tables);
        tables = new IdentityHashMap<>();
        if (!standing.isEmpty()) {
            Map<Block, Standing> still = new IdentityHashMap<>();
            for (Block block : flow.blocks()) if (standing.containsKey(block)) still.put(block, standing.get(block));
            standing = still;
        }
        Map<Table, SetTable> wanted = new IdentityHashMap<>();
        for (int b = 0; b < flow.size(); b++) {
            if (!(flow.block(b) instanceof Table table)) continue;
            Table old = before.containsKey(table) ? table : kin.apply(table);
            if (old != null && before.containsKey(old)) wanted.put(old, before.get(old));
        }
        before = wanted;
    }

    /** A table set for a column; the same for all pages it runs over, unless fields in it differ from page to page. */
    TableSetter table(Table table, double width, double reach) {
        SetTable known = tables.get(table);
        if (known != null && known.width == width && known.reach == reach && (!known.hasFields || known.fields == fields)) return known.setter;
        if (known == null) known = before.containsKey(table) ? before.get(table) : before.get(kin.apply(table));
        TableSetter old = known != null && known.width == width && known.reach == reach ? known.setter : null;
        SetTable made = new SetTable(width, reach, traits.has(table, Traits.FIELD), fields, new TableSetter(this, table, width, reach, old));
        tables.put(table, made);
        return made.setter;
    }

    /** What stands apart from the text and begins with a block; null where that is text. */
    Standing standing(Flow flow, int block, int end) {
        Block first = flow.block(block);
        if (!Standing.begins(this, first)) return null;
        Standing known = standing.get(first);
        Standing now = known != null && known.isOf(flow.blocks(), block, end) ? known : Standing.of(this, flow.blocks(), block, end);
        standing.put(first, now);
        return now;
    }

    void use(FieldValues values) { fields = values; }

    String noteMark(Inline.Note note) { return note.mark() != null ? note.mark() : notes.getOrDefault(note, "*"); }

    /** Forgets paragraphs that are not among those given. */
    void keepOnly(Set<Paragraph> wanted) {
        remembered.keySet().retainAll(wanted);
    }

    int rememberedCount() { return remembered.size(); }

    /** A whole paragraph in a column of a width. */
    SetParagraph set(Paragraph paragraph, Look table, double width) {
        String label = labels.label(paragraph);
        String values = values(paragraph);
        Remembered known = remembered.get(paragraph);
        if (known == null && restyling != null) known = restyling.kept(paragraph, table, label, styles);
        if (known != null && known.width == width && known.table.equals(table) && Objects.equals(known.label, label) && Objects.equals(known.values, values)) {
            remembered.put(paragraph, known);
            return known.set;
        }
        SetParagraph set = free(paragraph, table, width);
        remembered.put(paragraph, new Remembered(width, table, label, values, set));
        return set;
    }

    /** Whether a paragraph says the same wherever it stands: nothing in it is counted or looked up. */
    boolean standsForItself(Paragraph paragraph) { return values(paragraph) == null; }

    /** A whole paragraph in a free column, not remembered; several threads may ask at once. */
    SetParagraph free(Paragraph paragraph, Look table, double width) { return setter(paragraph, table).set(0, LineSpace.free(width)); }

    /** Remembers a paragraph that {@link #standsForItself stands for itself} as it was set in a free column. */
    void remember(Paragraph paragraph, Look table, double width, SetParagraph set) {
        remembered.put(paragraph, new Remembered(width, table, labels.label(paragraph), null, set));
    }

    /** A paragraph from a caret position on, in whatever room its lines find. */
    SetParagraph set(Paragraph paragraph, Look table, int from, LineSpace space) { return setter(paragraph, table).set(from, space); }

    /** A paragraph from a caret position up to another, behind which it goes on elsewhere. */
    SetParagraph set(Paragraph paragraph, Look table, int from, int to, LineSpace space) { return setter(paragraph, table).set(from, to, space); }

    /** How narrow and how wide a paragraph can be set. */
    ContentWidths contentWidths(Paragraph paragraph, Look table) { return setter(paragraph, table).contentWidths(); }

    private ParagraphSetter setter(Paragraph paragraph, Look table) {
        return new ParagraphSetter(styles, paragraph, styles.cascade().paragraph(paragraph, table), table, labels.label(paragraph), tabWidth, fields, notes);
    }

    private String values(Paragraph paragraph) {
        StringBuilder values = null;
        for (Inline inline : paragraph.inlines()) {
            String value = inline instanceof Inline.Field field ? fields.of(field) : inline instanceof Inline.Note note ? noteMark(note) : null;
            if (value == null) continue;
            if (values == null) values = new StringBuilder();
            values.append(value).append('\0');
        }
        return values == null ? null : values.toString();
    }

    /** The strips of a paragraph; neighbours decide about space and borders between. */
    List<Strip> strips(Paragraph paragraph, SetParagraph set, Block previous, Block next, Look table, double width) {
        Look look = set.look();
        boolean contextual = look.is(ParagraphProperty.CONTEXTUAL_SPACING);
        double before = contextual && sameStyle(paragraph, previous) ? 0 : look.get(ParagraphProperty.SPACE_BEFORE, 0.0);
        double after = contextual && sameStyle(paragraph, next) ? 0 : look.get(ParagraphProperty.SPACE_AFTER, 0.0);
        Borders borders = look.get(ParagraphProperty.BORDERS);
        boolean joinsPrevious = borders != null && borders.equals(bordersOf(previous, table));
        boolean joinsNext = borders != null && borders.equals(bordersOf(next, table));
        Colour shading = look.get(ParagraphProperty.SHADING);
        double left = look.is(ParagraphProperty.RIGHT_TO_LEFT) ? look.get(ParagraphProperty.INDENT_END, 0.0) : look.get(ParagraphProperty.INDENT_START, 0.0)
                + Math.min(0, look.get(ParagraphProperty.FIRST_LINE, 0.0));
        double right = width - (look.is(ParagraphProperty.RIGHT_TO_LEFT) ? look.get(ParagraphProperty.INDENT_START, 0.0)
                : look.get(ParagraphProperty.INDENT_END, 0.0));
        boolean keepTogether = look.is(ParagraphProperty.KEEP_TOGETHER);
        boolean widows = look.get(ParagraphProperty.WIDOW_CONTROL, true);
        boolean keptToPrevious = previous instanceof Paragraph above && styles.cascade().paragraph(above, table).is(ParagraphProperty.KEEP_WITH_NEXT);
        List<Line> lines = set.lines();
        Passage passage = new TextPassage(paragraph);
        boolean floats = hasFloats(paragraph);
        List<Strip> strips = new ArrayList<>(lines.size());
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            boolean start = line.start() == 0;
            boolean end = i == lines.size() - 1;
            double top = start && borders != null && !joinsPrevious && visible(borders.top()) ? borders.top().space() + borders.top().width() : 0;
            double bottom = end && borders != null && !joinsNext && visible(borders.bottom()) ? borders.bottom().space() + borders.bottom().width() : 0;
            double height = line.gap() + top + line.height() + bottom;
            double above = start ? before : 0;
            double below = end ? after : 0;
            List<Item> items = new ArrayList<>(2);
            if (shading != null && !shading.isAutomatic()) {
                boolean fillBelow = end && sameShading(shading, next, table);
                items.add(new Item.Fill(left, line.gap(), right - left, height - line.gap() + (fillBelow ? below : 0), shading));
            }
            if (borders != null) Frames.paragraphBorders(items, borders, left, right, height, start && !joinsPrevious, end && !joinsNext, end && joinsNext
                    ? below : 0);
            items.add(new Item.LineItem(passage, line, 0, line.gap() + top, true));
            if (floats) Floats.onLine(this, paragraph, line, end, line.gap() + top, items);
            boolean broken = i > 0 && (lines.get(i - 1).after() == Line.Break.PAGE || lines.get(i - 1).after() == Line.Break.COLUMN);
            boolean glued = start ? keptToPrevious : !broken && (keepTogether || widows && (i == 1 && lines.get(0).start() == 0 || end));
            strips.add(new Strip(above, height, below, items, set.notesOn(i), glued, line.start(), line.after(), paragraph));
        }
        return strips;
    }

    private static boolean visible(Border border) { return border != null && border.isVisible(); }

    private Borders bordersOf(Block block, Look table) {
        return block instanceof Paragraph other ? styles.cascade().paragraph(other, table).get(ParagraphProperty.BORDERS) : null;
    }

    private boolean sameShading(Colour shading, Block block, Look table) {
        return block instanceof Paragraph other && shading.equals(styles.cascade().paragraph(other, table).get(ParagraphProperty.SHADING));
    }

    private static boolean sameStyle(Paragraph paragraph, Block other) {
        return other instanceof Paragraph neighbour && Objects.equals(paragraph.style(), neighbour.style());
    }

    /** Blocks one under another at a width, as strips: for cells, notes, page frames and boxes. */
    List<Strip> stack(List<? extends Block> source, Look table, double width) { return stack(source, table, width, true); }

    /** @param hung whether objects that hang on its paragraphs are in their strips, where they know nothing of the page */
    List<Strip> stack(List<? extends Block> source, Look table, double width, boolean hung) { return stack(source, table, width, hung, true); }

    /** @param apart whether what stands in frames of its own, or floats, does so here */
    List<Strip> stack(List<? extends Block> source, Look table, double width, boolean hung, boolean apart) {
        List<Block> blocks = flattened(source);
        boolean standing = apart && blocks.stream().anyMatch(block -> Standing.begins(this, block));
        boolean floats = standing || hung && blocks.stream().anyMatch(Composer::hasFloats);
        StackedFloats hanging = floats ? new StackedFloats(this, table, width, hung) : null;
        List<Strip> strips = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) {
            if (standing && Standing.begins(this, blocks.get(i))) {
                Standing own = Standing.of(this, blocks, i, blocks.size());
                hanging.hang(own.floating());
                i += own.blocks().size() - 1;
                continue;
            }
            Block previous = i > 0 ? blocks.get(i - 1) : null;
            Block next = i + 1 < blocks.size() ? blocks.get(i + 1) : null;
            List<Strip> own = strips(blocks.get(i), previous, next, table, width);
            if (floats && blocks.get(i) instanceof Paragraph paragraph) own = hanging.around(paragraph, own, previous, next, Strip.height(strips));
            strips.addAll(own);
        }
        return floats ? hanging.holding(strips) : strips;
    }

    private static boolean hasFloats(Block block) {
        return block instanceof Paragraph paragraph && paragraph.inlines().stream().anyMatch(inline -> inline instanceof Inline.Floating);
    }

    private List<Strip> strips(Block block, Block previous, Block next, Look table, double width) {
        if (block instanceof Paragraph paragraph) return strips(paragraph, set(paragraph, table, width), previous, next, table, width);
        if (block instanceof Table inner) return new TableSetter(this, inner, width, width + INNER_REACH).strips();
        if (block instanceof OpaqueBlock opaque && opaque.opaque().likeness() != null) return List.of(likeness(opaque));
        return List.of();
    }

    static Strip likeness(OpaqueBlock block) {
        return new Strip(0, block.opaque().likeness().height(), 0, List.of(new Item.PictureItem(block.opaque().likeness(), 0, 0)), List.of(), false, 0,
                Line.Break.NONE, null);
    }

    /** Contents lists opened up into their entries. */
    static List<Block> flattened(List<? extends Block> blocks) {
        List<Block> flat = new ArrayList<>(blocks.size());
        for (Block block : blocks) {
            if (block instanceof Contents contents) flat.addAll(contents.entries());
            else flat.add(block);
        }
        return flat;
    }

    /** The items of strips stacked from {@code (x, y)} down. */
    static List<Item> placed(List<Strip> strips, double x, double y) {
        List<Item> items = new ArrayList<>();
        double at = y;
        for (Strip strip : strips) {
            at += strip.before();
            for (Item item : strip.items()) items.add(item.moved(x, at));
            at += strip.height() + strip.after();
        }
        return items;
    }
}
