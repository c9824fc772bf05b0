package app.decant.recover.made;

import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/** Moves what is common to paragraphs of one kind into styles, so that the document can be changed style by style. */
public final class StyleMaker {
    private static final List<Property<?>> OF_TEXT = List.of(TextProperty.FAMILY, TextProperty.SIZE, TextProperty.BOLD, TextProperty.ITALIC,
            TextProperty.COLOUR, TextProperty.WIDTH_SCALE);
    private static final List<Property<?>> OF_PARAGRAPHS = List.of(ParagraphProperty.ALIGNMENT, ParagraphProperty.SPACE_BEFORE,
            ParagraphProperty.LINE_SPACING, ParagraphProperty.FIRST_LINE, ParagraphProperty.INDENT_START, ParagraphProperty.INDENT_END,
            ParagraphProperty.TABS);

    private final Map<String, Style> styles = new LinkedHashMap<>();
    private final Map<Paragraph, Paragraph> changed = new IdentityHashMap<>();

    private Numbering numbering = Numbering.NONE;

    /** What each paragraph became. */
    public Map<Paragraph, Paragraph> changed() { return changed; }

    public Document tidy(Document document, boolean widows) {
        numbering = document.numbering();
        Map<String, List<Paragraph>> byStyle = new TreeMap<>();
        for (Section section : document.sections()) {
            visit(section.blocks(), byStyle);
            section.frames().values().forEach(blocks -> visit(blocks, byStyle));
        }
        byStyle.computeIfAbsent("Normal", key -> new ArrayList<>());
        Look normal = common(byStyle.get("Normal"));
        styles.put("Normal", new Style("Normal", "Normal", Style.Kind.PARAGRAPH, null, null, normal.with(ParagraphProperty.WIDOW_CONTROL, widows)));
        byStyle.forEach((id, paragraphs) -> {
            if (!id.equals("Normal")) styles.put(id, style(id, common(paragraphs), normal));
        });
        UnaryOperator<Paragraph> lighten = this::lighter;
        List<Section> sections = new ArrayList<>();
        for (Section section : document.sections()) {
            Map<Section.FramePlace, List<Block>> frames = new HashMap<>();
            section.frames().forEach((place, blocks) -> frames.put(place, map(blocks, lighten)));
            sections.add(new Section(section.start(), section.page(), section.columns(), section.numbering(), frames, section.firstPageDiffers(),
                    map(section.blocks(), lighten)));
        }
        return document.withSections(sections).withStyles(new StyleSheet(Look.PLAIN, "Normal", null, styles));
    }

    private static Style style(String id, Look own, Look normal) {
        StandardStyle standard = StandardStyle.of(id);
        boolean heads = standard.heading() > 0 || id.equals("Title");
        Look look = standard.heading() == 0 ? own : own.with(ParagraphProperty.OUTLINE_LEVEL, standard.heading()).with(ParagraphProperty.KEEP_WITH_NEXT, true);
        return new Style(id, standard.name(), Style.Kind.PARAGRAPH, "Normal", heads ? "Normal" : null, less(look, normal));
    }

    /** What most say: of text by letters, of paragraphs by count. */
    private static Look common(List<Paragraph> paragraphs) {
        Look look = Look.PLAIN;
        for (Property<?> property : OF_PARAGRAPHS) {
            Map<Object, Integer> counts = new LinkedHashMap<>();
            for (Paragraph paragraph : paragraphs) counts.merge(value(paragraph.look(), property), 1, Integer::sum);
            look = with(look, property, most(counts));
        }
        for (Property<?> property : OF_TEXT) {
            Map<Object, Integer> counts = new LinkedHashMap<>();
            for (Paragraph paragraph : paragraphs) {
                for (Inline inline : paragraph.inlines()) {
                    if (!(inline instanceof Inline.Text) && !(inline instanceof Inline.Field) || inline.look().isPlain()) continue;
                    counts.merge(value(inline.look(), property), inline instanceof Inline.Text run ? run.length() : 2, Integer::sum);
                }
            }
            look = with(look, property, most(counts));
        }
        return look;
    }

    private static final Object NOTHING = new Object();

    private static Object value(Look look, Property<?> property) {
        Object value = look.get(property);
        return value == null ? otherwise(property) : value;
    }

    /** What a property means where nothing says it. */
    private static Object otherwise(Property<?> property) {
        if (property == TextProperty.BOLD || property == TextProperty.ITALIC) return false;
        if (property == TextProperty.COLOUR) return Colour.AUTOMATIC;
        if (property == TextProperty.WIDTH_SCALE) return 1.0;
        if (property == ParagraphProperty.ALIGNMENT) return ParagraphProperty.Alignment.START;
        if (property == ParagraphProperty.SPACE_BEFORE || property == ParagraphProperty.FIRST_LINE || property == ParagraphProperty.INDENT_START
                || property == ParagraphProperty.INDENT_END) return 0.0;
        return NOTHING;
    }

    private static Object most(Map<Object, Integer> counts) {
        return counts.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey).orElse(NOTHING);
    }

    @SuppressWarnings("unchecked")
    private static <T> Look with(Look look, Property<T> property, Object value) { return value == NOTHING ? look : look.with(property, (T) value); }

    /** A look without what lies below anyway. */
    private static Look less(Look look, Look below) {
        Look result = look;
        for (Property<?> property : look.properties()) {
            if (property == ParagraphProperty.LIST) continue;
            Object under = below.says(property) ? below.get(property) : otherwise(property);
            if (look.get(property).equals(under)) result = result.without(property);
        }
        return result;
    }

    /** A look with what must be said because the style below says otherwise. */
    private static Look said(Look look, List<Property<?>> properties, Look below) {
        Look result = look;
        for (Property<?> property : properties) {
            if (!result.says(property) && below.says(property) && otherwise(property) != NOTHING && !below.get(property).equals(otherwise(property)))
                result = with(result, property, otherwise(property));
        }
        return result;
    }

    private Paragraph lighter(Paragraph paragraph) {
        Style style = styles.get(paragraph.style());
        if (style == null) return paragraph;
        Look below = style.look().over(styles.get("Normal").look());
        Look look = less(said(paragraph.look(), OF_PARAGRAPHS, below), below);
        // A list's own indents come between style and paragraph: what the paragraph says of them stays.
        if (paragraph.look().says(ParagraphProperty.LIST) && isIndentedAsItsList(paragraph.look())) {
            look = look.without(ParagraphProperty.INDENT_START).without(ParagraphProperty.FIRST_LINE);
        } else if (paragraph.look().says(ParagraphProperty.LIST)) {
            look = look.with(ParagraphProperty.INDENT_START, paragraph.look().get(ParagraphProperty.INDENT_START)).with(ParagraphProperty.FIRST_LINE,
                    paragraph.look().get(ParagraphProperty.FIRST_LINE));
        }
        List<Inline> inlines = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) inlines.add(lighterInline(inline, below));
        Paragraph result = new Paragraph(paragraph.style(), look, text(paragraph.mark(), below), List.of()).withInlines(inlines);
        changed.put(paragraph, result);
        return result;
    }

    /** Labels are as wide as their numbers; where the text stands tells whether an item stands as its list says. */
    private boolean isIndentedAsItsList(Look item) {
        Numbering.Level level = numbering.level(item.get(ParagraphProperty.LIST));
        if (level == null) return false;
        double start = level.look().get(ParagraphProperty.INDENT_START, 0.0) - item.get(ParagraphProperty.INDENT_START, 0.0);
        double label = level.look().get(ParagraphProperty.FIRST_LINE, 0.0) - item.get(ParagraphProperty.FIRST_LINE, 0.0);
        return Math.abs(start) < 0.8 && Math.abs(label) < 2;
    }

    private static Look text(Look look, Look below) { return look.isPlain() ? look : less(said(look, OF_TEXT, below), below); }

    private Inline lighterInline(Inline inline, Look below) {
        if (inline instanceof Inline.Note note) return new Inline.Note(note.kind(), map(note.blocks(), this::lighter), note.mark(), text(note.look(), below));
        if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) {
            return new Inline.Floating(floating.anchor(), box.withBlocks(map(box.blocks(), this::lighter)), floating.look());
        }
        return inline instanceof Inline.BookmarkPoint ? inline : inline.with(text(inline.look(), below));
    }

    /** Every paragraph of some blocks changed, wherever it stands. */
    public static List<Block> map(List<? extends Block> blocks, UnaryOperator<Paragraph> change) {
        List<Block> result = new ArrayList<>();
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) {
                result.add(change.apply(paragraph));
            } else if (block instanceof Contents contents) {
                result.add(contents.withEntries(contents.entries().stream().map(change).toList()));
            } else if (block instanceof Table table) {
                List<Table.Row> rows = new ArrayList<>();
                for (Table.Row row : table.rows())
                    rows.add(new Table.Row(row.look(), row.cells().stream().map(cell -> cell.withBlocks(map(cell.blocks(), change))).toList()));
                result.add(new Table(table.look(), table.columns(), rows));
            } else {
                result.add(block);
            }
        }
        return result;
    }

    private static void visit(List<? extends Block> blocks, Map<String, List<Paragraph>> byStyle) {
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) {
                if (!paragraph.inlines().isEmpty()) byStyle.computeIfAbsent(paragraph.style(), key -> new ArrayList<>()).add(paragraph);
                for (Inline inline : paragraph.inlines()) {
                    if (inline instanceof Inline.Note note) visit(note.blocks(), byStyle);
                    if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) visit(box.blocks(), byStyle);
                }
            } else if (block instanceof Contents contents) {
                visit(contents.entries(), byStyle);
            } else if (block instanceof Table table) {
                for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) visit(cell.blocks(), byStyle);
            }
        }
    }
}
