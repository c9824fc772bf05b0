package app.decant.format.html;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.jsoup.nodes.Element;

/** Tables of pages: rows in their groups, cells by their spans, how both look. */
final class HtmlTable {
    private final HtmlReader reader;
    private final StyleRules rules;

    HtmlTable(HtmlReader reader, StyleRules rules) {
        this.reader = reader;
        this.rules = rules;
    }

    void put(Element element, HtmlContext context, Filling filling) {
        for (Element caption : element.children()) {
            if (!caption.normalName().equals("caption")) continue;
            Filling own = new Filling(filling.blocks, new HtmlContext(context.text(), Look.of(ParagraphProperty.KEEP_WITH_NEXT, true), "Text", null, false,
                    context.depth() + 1));
            reader.children(caption, own.context, own);
            own.end();
        }
        // Heads stand above and feet below, wherever the page tells them (HTML, 4.9.6 and 4.9.7).
        List<Element> rows = element.select("tr").stream().filter(row -> row.closest("table") == element)
                .sorted(Comparator.comparingInt(HtmlTable::place)).toList();
        int columns = 0;
        Map<Integer, int[]> reach = new HashMap<>();
        List<List<Object[]>> placed = new ArrayList<>();
        for (int r = 0; r < rows.size(); r++) {
            List<Object[]> cells = new ArrayList<>();
            int column = 0;
            for (Element cell : rows.get(r).children()) {
                if (!cell.normalName().equals("td") && !cell.normalName().equals("th")) continue;
                while (reach.containsKey(column) && reach.get(column)[0] > r) column++;
                int across = span(cell.attr("colspan"), 200);
                int down = Math.min(rows.size() - r, span(cell.attr("rowspan"), rows.size()));
                for (int c = column; c < column + across; c++) reach.put(c, new int[] {r + down});
                cells.add(new Object[] {cell, column, across, down});
                column += across;
            }
            columns = Math.max(columns, column);
            placed.add(cells);
        }
        if (columns == 0) return;
        Look look = Look.of(TableProperty.FITTED, !"fixed".equals(rules.of(element).get("table-layout")));
        double width = width(element, HtmlReader.TEXT_WIDTH, context);
        boolean share = said(element).endsWith("%");
        if (width > 20) look = share ? look.with(TableProperty.WIDTH_SHARE, Math.min(1, width / HtmlReader.TEXT_WIDTH)) : look.with(TableProperty.WIDTH, width);
        double whole = width > 20 ? width : HtmlReader.TEXT_WIDTH;
        double[] widths = new double[columns];
        List<Element> told = element.select("colgroup > col");
        if (told.size() == columns) for (int c = 0; c < columns; c++) widths[c] = width(told.get(c), whole, context);
        for (List<Object[]> cells : placed) for (Object[] cell : cells)
            if (widths[(int) cell[1]] <= 0 && (int) cell[2] == 1) widths[(int) cell[1]] = width((Element) cell[0], whole, context);
        boolean ruled = element.hasAttr("border") && !element.attr("border").equals("0");
        List<Table.Row> made = new ArrayList<>();
        for (int r = 0; r < placed.size(); r++) {
            List<Table.Cell> cells = new ArrayList<>();
            boolean head = rows.get(r).parent() != null && rows.get(r).parent().normalName().equals("thead");
            for (Object[] one : placed.get(r)) cells.add(cell((Element) one[0], (int) one[1], (int) one[2], (int) one[3], context, ruled));
            made.add(new Table.Row(head ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells));
        }
        filling.blocks.add(new Table(look, Arrays.stream(widths).boxed().toList(), made));
    }

    /** How wide an element says it is, by its rules or by itself (HTML, 15.3.9); 0 where it does not. */
    private double width(Element element, double whole, HtmlContext context) {
        String said = said(element);
        if (said.matches("\\d{1,4}(\\.\\d{1,8})?%")) return whole * Double.parseDouble(said.replace("%", "")) / 100;
        Double points = StyleValues.length(said, context.size());
        return points == null ? 0 : Math.max(0, points);
    }

    private String said(Element element) {
        String own = element.attr("width").trim();
        return rules.of(element).getOrDefault("width", own.matches("\\d{1,5}") ? own + "px" : own);
    }

    private static int place(Element row) {
        String group = row.parent() == null ? "" : row.parent().normalName();
        return group.equals("thead") ? 0 : group.equals("tfoot") ? 2 : 1;
    }

    private static int span(String told, int most) { return told.matches("[1-9]\\d{0,3}") ? Math.min(most, Integer.parseInt(told)) : 1; }

    private Table.Cell cell(Element element, int column, int across, int down, HtmlContext context, boolean ruled) {
        Map<String, String> css = rules.of(element);
        Look look = Look.PLAIN;
        Borders borders = StyleValues.borders(css.entrySet().stream().filter(one -> !one.getKey().startsWith("padding"))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)), context.size());
        if (borders == null && ruled) borders = Borders.all(Border.single(0.75, Colour.AUTOMATIC));
        if (borders != null) look = look.with(TableProperty.BORDERS, borders);
        Colour behind = StyleValues.background(css);
        if (behind == null && element.hasAttr("bgcolor")) behind = StyleValues.colour(element.attr("bgcolor"));
        if (behind != null) look = look.with(TableProperty.SHADING, behind);
        String vertical = css.getOrDefault("vertical-align", element.attr("valign"));
        if (vertical.equals("middle")) look = look.with(TableProperty.VERTICAL_ALIGNMENT, TableProperty.VerticalAlignment.CENTRE);
        if (vertical.equals("bottom")) look = look.with(TableProperty.VERTICAL_ALIGNMENT, TableProperty.VerticalAlignment.BOTTOM);
        String mode = css.getOrDefault("writing-mode", "");
        boolean about = css.getOrDefault("transform", "").replace(" ", "").equals("rotate(180deg)");
        if (mode.equals("sideways-lr") || mode.equals("vertical-rl") && about) look = look.with(TableProperty.RUNNING, TableProperty.Running.UP);
        else if (mode.matches("sideways-rl|vertical-rl|vertical-lr|tb-rl")) look = look.with(TableProperty.RUNNING, TableProperty.Running.DOWN);
        String[] padding = css.getOrDefault("padding", "").split("\\s+");
        // One to four lengths: top, right, bottom, left (CSS 2.2, 8.4).
        if (padding.length < 4) padding = new String[] {padding[0], padding[padding.length > 1 ? 1 : 0], padding[padding.length > 2 ? 2 : 0],
                padding[padding.length > 1 ? 1 : 0]};
        if ( StyleValues.length(padding[0], 10) != null)
            look = look.with(TableProperty.PADDING, new Insets(StyleValues.length(padding[0], 10), or(padding[1]), or(padding[2]), or(padding[3])));
        List<Block> blocks = new ArrayList<>();
        Look text = StyleValues.text(css, context.size());
        // A head cell is bold where nobody says otherwise.
        if (element.normalName().equals("th") && !css.containsKey("font-weight")) text = text.with(TextProperty.BOLD, true);
        Map<String, String> aligned = css.containsKey("text-align") || !element.hasAttr("align") ? css : Map.of("text-align", element.attr("align")
                .toLowerCase(Locale.ROOT));
        Look paragraph = Look.PLAIN.with(ParagraphProperty.ALIGNMENT, StyleValues.paragraph(aligned, context.size()).get(ParagraphProperty.ALIGNMENT));
        Filling own = new Filling(blocks, new HtmlContext(text.over(context.text()), paragraph, "Cell", null, false, context.depth() + 1));
        reader.children(element, own.context, own);
        own.end();
        if (blocks.isEmpty() || !(blocks.get(blocks.size() - 1) instanceof Paragraph)) blocks.add(new Paragraph("Cell", Look.PLAIN, Look.PLAIN, List.of()));
        return new Table.Cell(column, across, down, look, blocks);
    }

    private static double or(String length) {
        Double points = StyleValues.length(length, 10);
        return points == null ? 5.4 : points;
    }
}
