package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What comes from another document, such as a web page that something was copied from, put into this one: its words, emphasis, links, headings, lists, tables
 * and pictures. Family and size of letters are those of the place, and headings become this document's headings of their level.
 */
public final class Adoption {
    /** What is seen of a run wherever it comes to stand. */
    private static final List<Property<?>> EMPHASIS = List.of(TextProperty.BOLD, TextProperty.ITALIC, TextProperty.STRIKE, TextProperty.SMALL_CAPITALS,
            TextProperty.CAPITALS, TextProperty.HIGHLIGHT);

    private static final List<Property<Double>> ROOM = List.of(ParagraphProperty.INDENT_START, ParagraphProperty.INDENT_END, ParagraphProperty.FIRST_LINE,
            ParagraphProperty.SPACE_BEFORE, ParagraphProperty.SPACE_AFTER);

    private final Document into;
    private final Document from;
    private final Cascade cascade;
    private final Cascade there;
    private final Map<String, String> lists = new HashMap<>();
    private final Map<Integer, String> headings = new HashMap<>();
    private Numbering numbering;

    private Adoption(Document into, Document from) {
        this.into = into;
        this.from = from;
        cascade = Cascade.of(from);
        there = Cascade.of(into);
        numbering = into.numbering();
        for (Style style : into.styles().styles().values()) {
            int level = style.kind() == Style.Kind.PARAGRAPH ? there.outlineLevel(Paragraph.styled(style.id(), "")) : 0;
            if (level > 0) headings.putIfAbsent(level, style.id());
        }
    }

    /** All that another document has in its body, put in the place of what is picked. */
    public static Change paste(Document document, Selection picked, Document other) {
        Adoption adoption = new Adoption(document, other);
        List<Block> blocks = new ArrayList<>();
        for (Section section : other.sections()) blocks.addAll(adoption.blocks(section.blocks()));
        Draft draft = new Draft(document, picked);
        if (adoption.numbering != document.numbering()) draft.add(new StyleStep(document.styles(), adoption.numbering));
        Place at = Deletion.into(draft, picked);
        boolean apart = !blocks.isEmpty() && (standsApart(blocks.get(0)) || standsApart(blocks.get(blocks.size() - 1)));
        return draft.done(EditKind.PASTING, apart ? Pasting.between(draft, at, blocks) : Pasting.into(draft, at, blocks));
    }

    /** Whether a block is more than words that may go on in another paragraph. */
    private static boolean standsApart(Block block) {
        return !(block instanceof Paragraph paragraph) || paragraph.style() != null || paragraph.look().says(ParagraphProperty.LIST);
    }

    private List<Block> blocks(List<? extends Block> blocks) {
        List<Block> adopted = new ArrayList<>();
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) adopted.add(paragraph(paragraph));
            else if (block instanceof Contents contents) for (Paragraph entry : contents.entries()) adopted.add(paragraph(entry));
            else if (block instanceof Table table) adopted.add(table(table));
        }
        return adopted;
    }

    private Table table(Table table) {
        Look look = foreign(cascade.table(table).without(TableProperty.STYLE).without(TableProperty.PARTS));
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < table.rows().size(); r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (Table.Cell cell : table.rows().get(r).cells()) {
                List<Block> inner = new ArrayList<>();
                for (Block block : blocks(cell.blocks())) inner.add(block instanceof Paragraph paragraph ? inCell(paragraph) : block);
                // A cell ends with a paragraph, so that one can write in it.
                if (inner.isEmpty() || !(inner.get(inner.size() - 1) instanceof Paragraph)) inner.add(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of()));
                cells.add(new Table.Cell(cell.column(), cell.columnSpan(), cell.rowSpan(), foreign(cell.look()), inner));
            }
            rows.add(new Table.Row(foreign(table.rows().get(r).look()), cells));
        }
        return new Table(look, table.columns(), rows);
    }

    /** How far text stands in on the page, and apart, is not said of cells: that would leave them no room. */
    private Paragraph inCell(Paragraph paragraph) {
        if (paragraph.style() != null || paragraph.look().says(ParagraphProperty.LIST)) return paragraph;
        Look full = there.paragraph(paragraph);
        Look look = paragraph.look();
        for (Property<Double> room : ROOM) if (full.get(room, 0.0) != 0) look = look.with(room, 0.0);
        return paragraph.withLook(look);
    }

    /** A look without the markup of the file it came from, which may speak of what is only there. */
    private static Look foreign(Look look) { return look.without(Markup.TABLE).without(Markup.ROW).without(Markup.CELL); }

    private Paragraph paragraph(Paragraph paragraph) {
        int level = cascade.outlineLevel(paragraph);
        String style = level > 0 ? headings.get(level) : null;
        Look full = cascade.paragraph(paragraph);
        Look look = Look.PLAIN;
        if (paragraph.look().says(ParagraphProperty.ALIGNMENT)) look = look.with(ParagraphProperty.ALIGNMENT, full.get(ParagraphProperty.ALIGNMENT));
        if (full.is(ParagraphProperty.RIGHT_TO_LEFT)) look = look.with(ParagraphProperty.RIGHT_TO_LEFT, true);
        ListReference list = full.get(ParagraphProperty.LIST);
        if (style == null && from.numbering().level(list) != null) look = look.with(ParagraphProperty.LIST, new ListReference(list(list.list()), list.level()));
        List<Inline> inlines = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.BookmarkPoint) continue;
            Look dress = letters(paragraph, inline.look(), style != null);
            inlines.add(inline instanceof Inline.Note note ? new Inline.Note(note.kind(), blocks(note.blocks()), note.mark(), dress) : inline.with(dress));
        }
        return new Paragraph(style, look, Look.PLAIN, inlines);
    }

    private Look letters(Paragraph paragraph, Look own, boolean heading) {
        Look full = cascade.text(paragraph, own);
        Look look = Look.PLAIN;
        for (Property<?> property : EMPHASIS) if (!(heading && property == TextProperty.BOLD)) look = kept(look, full, property);
        if (full.get(TextProperty.UNDERLINE, TextProperty.Underline.NONE) != TextProperty.Underline.NONE) look = kept(look, full, TextProperty.UNDERLINE);
        if (full.get(TextProperty.SCRIPT, TextProperty.Script.BASELINE) != TextProperty.Script.BASELINE) look = kept(look, full, TextProperty.SCRIPT);
        if (!heading && full.get(TextProperty.COLOUR) != null && !full.get(TextProperty.COLOUR).isAutomatic()) look = kept(look, full, TextProperty.COLOUR);
        // A place within the other document is not here.
        if (full.get(TextProperty.LINK) instanceof Link.Address address) look = look.with(TextProperty.LINK, address);
        return look;
    }

    private static <T> Look kept(Look look, Look from, Property<T> property) {
        T value = from.get(property);
        return value == null || Boolean.FALSE.equals(value) ? look : look.with(property, value);
    }

    /** The list here that stands for one there. */
    private String list(String id) {
        return lists.computeIfAbsent(id, other -> {
            Numbering.NumberedList list = from.numbering().lists().get(other);
            Numbering.Pattern pattern = from.numbering().patterns().get(list.pattern());
            int number = numbering.lists().size() + 1;
            while (numbering.lists().containsKey("pasted" + number) || numbering.patterns().containsKey("pasted" + number)) number++;
            String name = "pasted" + number;
            List<Numbering.Level> levels = pattern == null ? List.of() : pattern.levels().stream().map(Adoption::free).toList();
            Map<Integer, Numbering.Level> changed = new HashMap<>();
            list.changed().forEach((depth, level) -> changed.put(depth, free(level)));
            numbering = numbering.with(new Numbering.Pattern(name, levels), new Numbering.NumberedList(name, name, list.starts(), changed));
            return name;
        });
    }

    /** A level that is tied to no style, and lends its label no letters of its own but signs. */
    private static Numbering.Level free(Numbering.Level level) {
        return new Numbering.Level(level.format(), level.start(), level.label(), level.suffix(), level.restart(), null, level.look(),
                level.legal(), level.standing());
    }
}
