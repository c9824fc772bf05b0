package app.decant.document;

import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.TableProperty.TablePart;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Works out what a passage looks like in the end: the document's defaults, beneath its table's style, its paragraph style with all parents,
 * its list level, its character style, and at last what it says itself (ISO/IEC 29500-1, 17.7.2). Answers are remembered; use one cascade
 * as long as styles and numbering stay the same objects. Several threads may ask at once.
 */
public final class Cascade {
    private final StyleSheet styles;
    private final Numbering numbering;
    private final Map<String, Look> chains = new ConcurrentHashMap<>();
    private final Map<ParagraphKey, Look> paragraphs = new ConcurrentHashMap<>();
    private final Map<TextKey, Look> texts = new ConcurrentHashMap<>();

    private record ParagraphKey(String style, Look own, Look table) { }
    private record TextKey(String style, Look own, Look table) { }

    public Cascade(StyleSheet styles, Numbering numbering) {
        this.styles = styles;
        this.numbering = numbering;
    }

    public static Cascade of(Document document) { return new Cascade(document.styles(), document.numbering()); }

    /** Whether this cascade's answers hold for the document too. */
    public boolean fits(Document document) { return styles == document.styles() && numbering == document.numbering(); }

    /** The paragraph properties in force, also text properties of its style. */
    public Look paragraph(Paragraph paragraph) { return paragraph(paragraph, Look.PLAIN); }

    /** Likewise, for a paragraph within a cell whose table dresses it in {@code table}. */
    public Look paragraph(Paragraph paragraph, Look table) {
        return paragraphs.computeIfAbsent(new ParagraphKey(paragraph.style(), paragraph.look(), table), this::workOut);
    }

    private Look workOut(ParagraphKey key) {
        Look style = chain(styleOf(key.style));
        Look own = key.own;
        Look below = key.table.over(styles.defaults());
        ListReference direct = own.get(ParagraphProperty.LIST);
        Look look;
        if (direct != null) {
            Look list = listLook(direct, style.get(ParagraphProperty.LIST));
            look = own.over(list).over(style).over(below);
        } else {
            look = own.over(style).over(listLook(style.get(ParagraphProperty.LIST), null)).over(below);
        }
        TabStops ownTabs = own.get(ParagraphProperty.TABS);
        TabStops styleTabs = style.get(ParagraphProperty.TABS);
        if (ownTabs != null && styleTabs != null) look = look.with(ParagraphProperty.TABS, ownTabs.over(styleTabs));
        return look;
    }

    /** The paragraph properties of a list level; text properties there dress the label only. */
    private Look listLook(ListReference reference, ListReference fallback) {
        ListReference effective = reference != null && reference.list() == null && fallback != null && !fallback.equals(reference) ? null : reference;
        Numbering.Level level = numbering.level(effective);
        if (level == null) return Look.PLAIN;
        Look look = Look.PLAIN;
        Look all = level.look();
        if (all.says(ParagraphProperty.INDENT_START)) look = look.with(ParagraphProperty.INDENT_START, all.get(ParagraphProperty.INDENT_START));
        if (all.says(ParagraphProperty.INDENT_END)) look = look.with(ParagraphProperty.INDENT_END, all.get(ParagraphProperty.INDENT_END));
        if (all.says(ParagraphProperty.FIRST_LINE)) look = look.with(ParagraphProperty.FIRST_LINE, all.get(ParagraphProperty.FIRST_LINE));
        if (all.says(ParagraphProperty.TABS)) look = look.with(ParagraphProperty.TABS, all.get(ParagraphProperty.TABS));
        return look;
    }

    /** The text properties in force for a run of this look in the paragraph. */
    public Look text(Paragraph paragraph, Look own) { return text(paragraph, own, Look.PLAIN); }

    public Look text(Paragraph paragraph, Look own, Look table) {
        return texts.computeIfAbsent(new TextKey(paragraph.style(), own, table), key -> {
            Look character = chain(own.get(TextProperty.STYLE));
            return own.over(character).over(chain(styleOf(key.style))).over(key.table).over(styles.defaults());
        });
    }

    /** The look of a paragraph's list label: its end mark's, under what the list level says. */
    public Look label(Paragraph paragraph, Look table) {
        Numbering.Level level = numbering.level(paragraph(paragraph, table).get(ParagraphProperty.LIST));
        Look mark = text(paragraph, paragraph.mark(), table);
        return level == null ? mark : level.look().over(mark);
    }

    public Numbering numbering() { return numbering; }

    /** The outline level of a paragraph, 1 to 9, or 0 for body text. */
    public int outlineLevel(Paragraph paragraph) { return paragraph(paragraph).get(ParagraphProperty.OUTLINE_LEVEL, 0); }

    /** What a table's style and the table itself say of the whole table. */
    public Look table(Table table) {
        return table.look().over(chain(tableStyle(table)));
    }

    /**
     * What a cell looks like: its own look, its row's, and the parts of the table's style that it belongs to. Borders are those of the cell's
     * own four sides. The answer also holds the paragraph and text properties the table's style gives to what is in the cell.
     */
    public Look cell(Table table, int row, Table.Cell cell) {
        Look whole = table(table);
        Look parts = Look.PLAIN;
        Set<TablePart> wanted = table.look().get(TableProperty.PARTS, new TableProperty.TableParts(EnumSet.of(TablePart.FIRST_ROW, TablePart.ODD_ROWS)))
                .parts();
        int rows = table.rows().size();
        int columns = table.columns().size();
        boolean first = wanted.contains(TablePart.FIRST_ROW);
        int band = first ? row - 1 : row;
        int stripe = wanted.contains(TablePart.FIRST_COLUMN) ? cell.column() - 1 : cell.column();
        Borders borders = null;
        for (TablePart part : TablePart.values()) {
            boolean applies = switch (part) {
                case WHOLE -> false;
                case FIRST_ROW -> first && row == 0;
                case LAST_ROW -> row == rows - 1;
                case FIRST_COLUMN -> cell.column() == 0;
                case LAST_COLUMN -> cell.column() + cell.columnSpan() >= columns;
                case ODD_ROWS -> band >= 0 && band % 2 == 0;
                case EVEN_ROWS -> band >= 0 && band % 2 == 1;
                case ODD_COLUMNS -> stripe >= 0 && stripe % 2 == 0;
                case EVEN_COLUMNS -> stripe >= 0 && stripe % 2 == 1;
            };
            if (!applies || !wanted.contains(part)) continue;
            Look look = partLook(tableStyle(table), part);
            boolean edge = part == TablePart.FIRST_ROW || part == TablePart.LAST_ROW || part == TablePart.FIRST_COLUMN || part == TablePart.LAST_COLUMN;
            if (look.says(TableProperty.BORDERS))
                borders = edge ? look.get(TableProperty.BORDERS).over(borders) : over(borders, look.get(TableProperty.BORDERS));
            parts = edge ? look.over(parts) : parts.over(look);
        }
        Borders around = whole.get(TableProperty.BORDERS, Borders.OPEN);
        boolean top = row == 0;
        boolean bottom = row + cell.rowSpan() >= rows;
        boolean left = cell.column() == 0;
        boolean right = cell.column() + cell.columnSpan() >= columns;
        Borders placed = new Borders(top ? around.top() : around.insideHorizontal(), right ? around.right() : around.insideVertical(),
                bottom ? around.bottom() : around.insideHorizontal(), left ? around.left() : around.insideVertical(), null, null);
        if (borders != null) placed = borders.over(placed);
        Borders own = cell.look().get(TableProperty.BORDERS);
        if (own != null) placed = own.over(placed);
        return cell.look().over(table.rows().get(row).look()).over(parts).over(whole.without(TableProperty.STYLE).without(TableProperty.INDENT))
                .with(TableProperty.BORDERS, placed);
    }

    private static Borders over(Borders upper, Borders lower) { return upper == null ? lower : upper.over(lower); }

    private Look partLook(String id, TablePart part) {
        Look look = Look.PLAIN;
        Set<String> seen = new HashSet<>();
        for (Style style = styles.style(id); style != null && seen.add(style.id()); style = styles.style(style.parent())) {
            look = look.over(style.parts().getOrDefault(part, Look.PLAIN));
        }
        return look;
    }

    private String tableStyle(Table table) {
        String id = table.look().get(TableProperty.STYLE);
        return styles.style(id) != null ? id : styles.defaultTable();
    }

    private String styleOf(String id) { return styles.style(id) != null ? id : styles.defaultParagraph(); }

    private Look chain(String id) { return id == null ? Look.PLAIN : chains.computeIfAbsent(id, styles::chain); }
}
