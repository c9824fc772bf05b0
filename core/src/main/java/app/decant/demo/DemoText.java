package app.decant.demo;

import app.decant.document.Block;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.List;

/**
 * Makes paragraphs and tables of short marks in plain text: {@code *bold*}, {@code _italic_}, {@code [words](address)}, {@code [words](#bookmark)}
 * and {@code ^[a footnote]}.
 */
final class DemoText {
    private DemoText() { }

    static Paragraph paragraph(String style, String marked) { return new Paragraph(style, Look.PLAIN, Look.PLAIN, inlines(marked)); }

    static Paragraph body(String marked) { return paragraph(DemoStyles.BODY, marked); }

    static Paragraph heading(int level, String text, String bookmark) {
        List<Inline> inlines = new ArrayList<>();
        inlines.add(new Inline.BookmarkPoint(bookmark, true));
        inlines.add(new Inline.Text(text, Look.PLAIN));
        inlines.add(new Inline.BookmarkPoint(bookmark, false));
        return new Paragraph("Heading" + level, Look.PLAIN, Look.PLAIN, inlines);
    }

    static List<Block> list(String style, String... items) {
        List<Block> blocks = new ArrayList<>();
        for (String item : items) blocks.add(paragraph(style, item));
        return blocks;
    }

    static List<Inline> inlines(String marked) {
        List<Inline> inlines = new ArrayList<>();
        StringBuilder plain = new StringBuilder();
        Look look = Look.PLAIN;
        for (int i = 0; i < marked.length(); i++) {
            char c = marked.charAt(i);
            if (c == '*' || c == '_') {
                flush(plain, look, inlines);
                look = c == '*' ? toggled(look, TextProperty.BOLD) : toggled(look, TextProperty.ITALIC);
            } else if (c == '^' && marked.startsWith("^[", i)) {
                flush(plain, look, inlines);
                int end = marked.indexOf(']', i);
                inlines.add(footnote(marked.substring(i + 2, end)));
                i = end;
            } else if (c == '[') {
                flush(plain, look, inlines);
                int middle = marked.indexOf("](", i);
                int end = marked.indexOf(')', middle);
                String target = marked.substring(middle + 2, end);
                Link link = target.startsWith("#") ? new Link.Inside(target.substring(1)) : new Link.Address(target);
                inlines.add(new Inline.Text(marked.substring(i + 1, middle), Look.of(TextProperty.STYLE, "Hyperlink").with(TextProperty.LINK, link)));
                i = end;
            } else {
                plain.append(c);
            }
        }
        flush(plain, look, inlines);
        return inlines;
    }

    private static Look toggled(Look look, Property<Boolean> property) {
        return look.is(property) ? look.without(property) : look.with(property, true);
    }

    private static void flush(StringBuilder plain, Look look, List<Inline> inlines) {
        if (!plain.isEmpty()) inlines.add(new Inline.Text(plain.toString(), look));
        plain.setLength(0);
    }

    private static Inline footnote(String text) {
        Look mark = Look.of(TextProperty.STYLE, "FootnoteReference");
        List<Inline> inlines = new ArrayList<>(List.of(new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "", mark), new Inline.Text(" ", Look.PLAIN)));
        inlines.addAll(inlines(text));
        return new Inline.Note(Inline.Note.Kind.FOOTNOTE, List.of(new Paragraph(DemoStyles.FOOTNOTE, Look.PLAIN, Look.PLAIN, inlines)), null, mark);
    }

    /** A table of texts; the first row is its head, repeated on each page. Columns after the first stand at the right unless {@code left}. */
    static Table table(double[] widths, boolean left, String[]... rows) {
        List<Table.Row> made = new ArrayList<>();
        for (int r = 0; r < rows.length; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < rows[r].length; c++) cells.add(cell(c, 1, 1, r == 0, c > 0 && !left, rows[r][c]));
            made.add(new Table.Row(r == 0 ? Look.of(TableProperty.HEADER_ROW, true).with(TableProperty.KEEP_ROW, true) : Look.of(TableProperty.KEEP_ROW,
                    true), cells));
        }
        return table(widths, made);
    }

    static Table table(double[] widths, List<Table.Row> rows) {
        List<Double> columns = new ArrayList<>();
        for (double width : widths) columns.add(width);
        return new Table(Look.of(TableProperty.STYLE, DemoStyles.TABLE), columns, rows);
    }

    static Table.Cell cell(int column, int columnSpan, int rowSpan, boolean head, boolean right, String text) {
        Paragraph paragraph = paragraph(head ? DemoStyles.CELL_HEAD : DemoStyles.CELL, text);
        if (right) paragraph = paragraph.withLook(Look.of(ParagraphProperty.ALIGNMENT, Alignment.END));
        return new Table.Cell(column, columnSpan, rowSpan, Look.PLAIN, List.of(paragraph));
    }

    /** Space after a table. */
    static Paragraph gap() { return new Paragraph("Normal", Look.of(ParagraphProperty.SPACE_AFTER, 4.0), Look.of(TextProperty.SIZE, 6.0), List.of()); }
}
