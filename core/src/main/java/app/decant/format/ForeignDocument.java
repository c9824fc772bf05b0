package app.decant.format;

import app.decant.document.AlignedTab;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Rewriting;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A document as formats take it that it did not come from: what only its own can say is left out or said as they say it. Tabs that go to the edges of the text
 * become tabs with stops there; markup that was kept for its own format goes.
 */
public final class ForeignDocument extends Rewriting {
    private static final List<Property<Markup>> MARKUP = List.of(Markup.TEXT, Markup.PARAGRAPH, Markup.TABLE, Markup.ROW, Markup.CELL, Markup.STYLE);

    private final Cascade cascade;
    private final double width;

    private ForeignDocument(Cascade cascade, double width) {
        this.cascade = cascade;
        this.width = width;
    }

    /** The very document where there is nothing of this kind in it. */
    public static Document of(Document document) {
        Cascade cascade = Cascade.of(document);
        List<Section> sections = new ArrayList<>();
        boolean same = true;
        for (Section section : document.sections()) {
            Document alone = document.withSections(List.of(section));
            Section made = new ForeignDocument(cascade, section.page().textWidth()).document(alone).sections().get(0);
            same &= made == section;
            sections.add(made);
        }
        Document made = same ? document : document.withSections(sections);
        made = made.withNumbering(document.numbering().each((level, depth) -> level.looking(plain(level.look()))));
        StyleSheet styles = styles(document.styles());
        return styles == document.styles() ? made : made.withStyles(styles);
    }

    private static StyleSheet styles(StyleSheet sheet) {
        Map<String, Style> styles = new LinkedHashMap<>();
        boolean same = plain(sheet.defaults()) == sheet.defaults();
        for (Map.Entry<String, Style> entry : sheet.styles().entrySet()) {
            Style style = entry.getValue();
            Look look = plain(style.look());
            Map<TableProperty.TablePart, Look> parts = new EnumMap<>(TableProperty.TablePart.class);
            style.parts().forEach((part, own) -> parts.put(part, plain(own)));
            boolean kept = look == style.look() && parts.equals(style.parts());
            Style made = kept ? style : new Style(style.id(), style.name(), style.kind(), style.parent(), style.next(), look, parts);
            same &= made == style;
            styles.put(entry.getKey(), made);
        }
        return same ? sheet : new StyleSheet(plain(sheet.defaults()), sheet.defaultParagraph(), sheet.defaultTable(), styles);
    }

    private static Look plain(Look look) {
        Look plain = look;
        for (Property<Markup> property : MARKUP) plain = plain.without(property);
        return plain;
    }

    @Override protected Paragraph paragraph(Paragraph told) {
        Paragraph paragraph = super.paragraph(told);
        List<TabStop> stops = new ArrayList<>();
        Look look = null;
        for (Inline inline : told.inlines()) {
            AlignedTab tab = inline.look().get(TextProperty.ALIGNED_TAB);
            if (tab == null || !(inline instanceof Inline.Text text) || text.text().indexOf(Inline.TAB) < 0) continue;
            if (look == null) look = cascade.paragraph(told);
            double end = width - look.get(ParagraphProperty.INDENT_END, 0.0);
            stops.add(tab.in(look.get(ParagraphProperty.INDENT_START, 0.0), end, width));
        }
        Look own = plain(paragraph.look());
        if (look != null) {
            for (TabStop stop : look.get(ParagraphProperty.TABS, new TabStops(List.of())).stops())
                if (stops.stream().noneMatch(other -> Math.abs(other.position() - stop.position()) < 0.5))
                    stops.add(new TabStop(stop.position(), TabStop.Kind.CLEAR, TabStop.Leader.NONE));
            own = own.with(ParagraphProperty.TABS, new TabStops(stops));
        }
        Look mark = plain(paragraph.mark());
        return own == paragraph.look() && mark == paragraph.mark() ? paragraph : paragraph.withLook(own).withMark(mark);
    }

    @Override protected Inline inline(Inline told) {
        Inline inline = super.inline(told);
        Look look = plain(inline.look()).without(TextProperty.ALIGNED_TAB);
        return look == inline.look() ? inline : inline.with(look);
    }

    @Override protected Table table(Table told) {
        Table table = super.table(told);
        Look look = plain(table.look());
        return look == table.look() ? table : new Table(look, table.columns(), table.rows());
    }

    @Override protected Table.Row row(Table.Row told) {
        Table.Row row = super.row(told);
        List<Table.Cell> cells = new ArrayList<>();
        boolean same = true;
        for (Table.Cell cell : row.cells()) {
            Look look = plain(cell.look());
            same &= look == cell.look();
            cells.add(look == cell.look() ? cell : new Table.Cell(cell.column(), cell.columnSpan(), cell.rowSpan(), look, cell.blocks()));
        }
        Look look = plain(row.look());
        return same && look == row.look() ? row : new Table.Row(look, same ? row.cells() : cells);
    }
}
