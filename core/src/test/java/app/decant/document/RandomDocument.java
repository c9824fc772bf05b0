package app.decant.document;

import app.decant.document.Section.FramePlace;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;

/**
 * Documents of everything that a document can hold, made at random. No letter stands twice in one, so that each can be followed through any change:
 * letters come from the ideographs, of which there are enough.
 */
public final class RandomDocument {
    private static final int LEVELS = 3;
    /** How deep entries of contents lists are said to stand: they bear no labels, and hold no notes or boxes. */
    private static final int ENTRY = 3;
    /** What a text holds besides letters. */
    private static final String SIGNS = "\t" + Inline.LINE_BREAK + Inline.PAGE_BREAK + Inline.COLUMN_BREAK + Inline.OBJECT;
    private static final List<String> LISTS = List.of("bullets", "numbers", "others");

    private final Random random;
    private int letter = 0x4E00;
    private int names;

    public RandomDocument(Random random) { this.random = random; }

    public Document document() {
        List<Section> sections = new ArrayList<>();
        int count = 1 + random.nextInt(3);
        for (int i = 0; i < count; i++) sections.add(section());
        StyleSheet styles = StyleSheet.EMPTY.with(new Style("Heading1", "heading 1", Style.Kind.PARAGRAPH, null, "Body",
                Look.of(ParagraphProperty.OUTLINE_LEVEL, 1))).with(new Style("Body", "body", Style.Kind.PARAGRAPH, null, null, look()));
        return new Document(new Facts(text(), text(), null, null, "en-GB", null, null, Map.of(text(), text())), styles, numbering(), sections,
                random.nextBoolean(), 30, List.of()).answering(text(), random.nextBoolean() ? text() : null);
    }

    /** Bullets, and two lists of numbers of several levels: 1. 1.1. 1.1.1. */
    private static Numbering numbering() {
        List<Numbering.Level> bullets = new ArrayList<>();
        List<Numbering.Level> numbers = new ArrayList<>();
        String label = "";
        for (int i = 0; i < LEVELS; i++) {
            Look look = Look.of(ParagraphProperty.INDENT_START, 18.0 * (i + 1)).with(ParagraphProperty.FIRST_LINE, -18.0);
            bullets.add(new Numbering.Level(NumberFormat.BULLET, 1, "\u2022", Numbering.Suffix.TAB, null, null, look));
            label += "%" + (i + 1) + ".";
            numbers.add(new Numbering.Level(NumberFormat.DECIMAL, 1, label, Numbering.Suffix.TAB, null, null, look));
        }
        Map<String, Numbering.Pattern> patterns = new TreeMap<>();
        Map<String, Numbering.NumberedList> lists = new TreeMap<>();
        for (String name : LISTS) {
            patterns.put(name, new Numbering.Pattern(name, name.equals("bullets") ? bullets : numbers));
            lists.put(name, new Numbering.NumberedList(name, name, Map.of(), Map.of()));
        }
        return new Numbering(patterns, lists);
    }

    private Section section() {
        Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
        if (random.nextBoolean()) frames.put(FramePlace.HEADER, blocks(1 + random.nextInt(2), 2));
        if (random.nextInt(3) == 0) frames.put(FramePlace.FOOTER, blocks(1, 2));
        return new Section(Section.Start.values()[random.nextInt(5)], Section.PageGeometry.A4, Section.Columns.ONE, Section.PageNumbering.CONTINUED, frames,
                random.nextBoolean(), blocks(1 + random.nextInt(6), 0));
    }

    /** Blocks of which one at least is a paragraph. */
    public List<Block> blocks(int count, int depth) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < count; i++) blocks.add(block(depth));
        if (blocks.stream().noneMatch(Paragraph.class::isInstance)) blocks.add(paragraph(depth));
        return blocks;
    }

    private Block block(int depth) {
        int kind = random.nextInt(12);
        if (kind == 0 && depth < 2) return table(depth + 1);
        if (kind == 1 && depth == 0) return new Contents(1, 3, List.of(paragraph(ENTRY), paragraph(ENTRY)));
        if (kind == 2 && depth == 0) return new OpaqueBlock(new Opaque("ooxml", text(), "<x/>", Map.of(), null));
        return paragraph(depth);
    }

    private Table table(int depth) {
        int columns = 1 + random.nextInt(3);
        List<Double> widths = new ArrayList<>();
        for (int c = 0; c < columns; c++) widths.add(40.0 + random.nextInt(60));
        List<Table.Row> rows = new ArrayList<>();
        int count = 1 + random.nextInt(3);
        for (int r = 0; r < count; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < columns; ) {
                int span = 1 + random.nextInt(columns - c);
                cells.add(new Table.Cell(c, span, 1, look(), blocks(1 + random.nextInt(2), depth)));
                c += span;
            }
            rows.add(new Table.Row(Look.PLAIN, cells));
        }
        return new Table(Look.PLAIN, widths, rows);
    }

    public Paragraph paragraph(int depth) {
        List<Inline> inlines = new ArrayList<>();
        int count = random.nextInt(5);
        for (int i = 0; i < count; i++) inlines.add(inline(depth));
        if (random.nextInt(3) == 0) {
            String name = "place" + names++;
            inlines.add(random.nextInt(inlines.size() + 1), new Inline.BookmarkPoint(name, true));
            inlines.add(new Inline.BookmarkPoint(name, false));
        }
        Look look = look();
        Look mark = tracked(look());
        TrackedChange change = mark.get(TextProperty.TRACKED);
        // Whose end is struck out has the look of the next, and with it its label or none.
        if (depth < ENTRY && random.nextInt(4) == 0 && (change == null || change.deletion() == null))
            look = look.with(ParagraphProperty.LIST, new ParagraphProperty.ListReference(LISTS.get(random.nextInt(LISTS.size())), random.nextInt(LEVELS)));
        return new Paragraph(random.nextInt(4) == 0 ? "Heading1" : random.nextBoolean() ? "Body" : null, look, mark, inlines);
    }

    private Inline inline(int depth) {
        Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 3), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 4),
                Anchor.Wrap.SQUARE, new TableProperty.Insets(0, 1, 2, 3), false);
        return switch (random.nextInt(depth < 2 ? 10 : 7)) {
            case 0 -> new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", text(), hung());
            case 1 -> new Inline.InlinePicture(picture(), hung());
            case 2 -> new Inline.Floating(anchor, picture(), hung());
            case 7 -> new Inline.Note(random.nextBoolean() ? Inline.Note.Kind.FOOTNOTE : Inline.Note.Kind.ENDNOTE, blocks(1, depth + 1), null, hung());
            case 8 -> new Inline.Floating(anchor, new TextBox(blocks(1, depth + 1), 90, 40, true, new TableProperty.Insets(1, 1, 1, 1), null, null), hung());
            case 3 -> new Inline.Text(String.valueOf(SIGNS.charAt(random.nextInt(SIGNS.length()))), hung());
            default -> new Inline.Text(text(), hung());
        };
    }

    private Picture picture() {
        byte[] bytes = new byte[8];
        random.nextBytes(bytes);
        return new Picture(new Image("image/png", bytes), 10 + random.nextInt(50), 10, text());
    }

    /** A few characters that stand nowhere else. */
    public String text() {
        StringBuilder text = new StringBuilder();
        int count = 1 + random.nextInt(4);
        for (int i = 0; i < count; i++) text.append((char) letter++);
        return text.toString();
    }

    public Look look() {
        return switch (random.nextInt(5)) {
            case 0 -> Look.of(TextProperty.BOLD, true);
            case 1 -> Look.of(TextProperty.SIZE, 8.0 + random.nextInt(5)).with(TextProperty.FAMILY, "Carlito");
            case 2 -> Look.of(TextProperty.COLOUR, new Colour(random.nextInt(1 << 24)));
            default -> Look.PLAIN;
        };
    }

    /** A look with what hangs on words: changes that wait, remarks, places of forms. */
    private Look hung() {
        Look look = tracked(look());
        if (random.nextInt(8) == 0) {
            Comment.Remark remark = new Comment.Remark("Ina Tollmark", Instant.ofEpochSecond(random.nextInt(1 << 30)), text());
            look = look.with(TextProperty.COMMENTS, new Comment.Thread(List.of(new Comment(++names, remark, List.of(remark), random.nextBoolean()))));
        }
        if (random.nextInt(12) == 0) {
            FormField.Kind kind = FormField.Kind.values()[random.nextInt(FormField.Kind.values().length)];
            look = look.with(TextProperty.FORM, new FormField(++names, kind, random.nextBoolean(), text(), List.of(text(), text()), random.nextBoolean()
                    ? null : "<a/>"));
        }
        return look;
    }

    private Look tracked(Look look) {
        TrackedChange.Mark mark = new TrackedChange.Mark(random.nextBoolean() ? "Ina Tollmark" : "Jon Dahl", random.nextBoolean() ? null : Instant.EPOCH);
        return switch (random.nextInt(12)) {
            case 0 -> look.with(TextProperty.TRACKED, new TrackedChange(mark, null));
            case 1 -> look.with(TextProperty.TRACKED, new TrackedChange(null, mark));
            default -> look;
        };
    }
}
