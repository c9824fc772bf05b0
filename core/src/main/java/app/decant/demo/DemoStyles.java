package app.decant.demo;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The company's house style. */
final class DemoStyles {
    static final Colour HARBOUR_BLUE = new Colour(0x1F4E5F);
    static final Colour FOAM = new Colour(0xE6EDEF);
    static final Colour TIDE = new Colour(0x9FB9C1);
    static final String BODY = "BodyText";
    static final String BULLET = "ListBullet";
    static final String NUMBER = "ListNumber";
    static final String CAPTION = "Caption";
    static final String NOTE_BOX = "NoteBox";
    static final String CELL = "TableText";
    static final String CELL_HEAD = "TableHead";
    static final String FOOTNOTE = "FootnoteText";
    static final String HEADINGS = "1";
    static final String BULLETS = "2";
    static final String STEPS = "3";
    static final String MORE_STEPS = "4";
    static final String TABLE = "SoundTable";

    private DemoStyles() { }

    static StyleSheet sheet() {
        Map<String, Style> styles = new LinkedHashMap<>();
        Look defaults = Look.of(TextProperty.FAMILY, "Liberation Serif").with(TextProperty.SIZE, 11.0).with(TextProperty.LANGUAGE, "en-GB")
                .with(ParagraphProperty.WIDOW_CONTROL, true);
        add(styles, "Normal", "Normal", null, null, Look.PLAIN);
        add(styles, BODY, "Body Text", "Normal", null, Look.of(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY).with(ParagraphProperty.SPACE_AFTER, 8.0)
                .with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.25)));
        Look sans = Look.of(TextProperty.FAMILY, "Liberation Sans").with(TextProperty.COLOUR, HARBOUR_BLUE);
        add(styles, "Title", "Title", "Normal", BODY, sans.with(TextProperty.SIZE, 34.0).with(TextProperty.BOLD, true).with(ParagraphProperty.SPACE_BEFORE,
                120.0).with(ParagraphProperty.SPACE_AFTER, 10.0));
        add(styles, "Subtitle", "Subtitle", "Normal", BODY, sans.with(TextProperty.SIZE, 16.0).with(ParagraphProperty.SPACE_AFTER, 30.0));
        double[] sizes = {20, 14, 12};
        double[] before = {0, 16, 12};
        for (int level = 1; level <= 3; level++) {
            Look look = sans.with(TextProperty.SIZE, sizes[level - 1]).with(TextProperty.BOLD, true).with(ParagraphProperty.OUTLINE_LEVEL, level)
                    .with(ParagraphProperty.KEEP_WITH_NEXT, true)
                    .with(ParagraphProperty.KEEP_TOGETHER, true).with(ParagraphProperty.SPACE_BEFORE, before[level - 1]).with(ParagraphProperty.SPACE_AFTER,
                            level == 1 ? 12.0 : 6.0)
                    .with(ParagraphProperty.LIST, new ListReference(HEADINGS, level - 1));
            if (level == 1) look = look.with(ParagraphProperty.PAGE_BREAK_BEFORE, true);
            add(styles, "Heading" + level, "heading " + level, "Normal", BODY, look);
        }
        add(styles, BULLET, "List Bullet", "Normal", null, Look.of(ParagraphProperty.LIST, new ListReference(BULLETS, 0)).with(ParagraphProperty.SPACE_AFTER,
                3.0)
                .with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.2)));
        add(styles, NUMBER, "List Number", BULLET, null, Look.of(ParagraphProperty.LIST, new ListReference(STEPS, 0)));
        add(styles, CAPTION, "caption", "Normal", BODY, sans.with(TextProperty.SIZE, 9.0).with(ParagraphProperty.SPACE_BEFORE, 4.0)
                .with(ParagraphProperty.SPACE_AFTER, 12.0));
        Border side = new Border(Border.Line.THICK, 1.5, HARBOUR_BLUE, 8);
        add(styles, NOTE_BOX, "Note Box", BODY, BODY, Look.of(ParagraphProperty.SHADING, FOAM).with(ParagraphProperty.BORDERS,
                new Borders(null, null, null, side, null, null))
                .with(ParagraphProperty.INDENT_START, 12.0).with(ParagraphProperty.INDENT_END, 12.0).with(ParagraphProperty.KEEP_TOGETHER, true)
                        .with(ParagraphProperty.SPACE_BEFORE, 6.0)
                .with(ParagraphProperty.ALIGNMENT, Alignment.START));
        add(styles, CELL, "Table Text", "Normal", null, Look.of(TextProperty.FAMILY, "Liberation Sans").with(TextProperty.SIZE, 9.5)
                .with(ParagraphProperty.SPACE_BEFORE, 3.0).with(ParagraphProperty.SPACE_AFTER, 3.0));
        add(styles, CELL_HEAD, "Table Head", CELL, null, Look.of(TextProperty.BOLD, true));
        add(styles, "Header", "header", "Normal", null, Look.of(TextProperty.FAMILY, "Liberation Sans").with(TextProperty.SIZE, 8.5)
                .with(TextProperty.COLOUR, new Colour(0x5F6B70)));
        add(styles, "Footer", "footer", "Header", null, Look.PLAIN);
        add(styles, FOOTNOTE, "footnote text", "Normal", null, Look.of(TextProperty.SIZE, 9.0).with(ParagraphProperty.SPACE_AFTER, 2.0));
        for (int level = 1; level <= 3; level++) {
            add(styles, "TOC" + level, "toc " + level, "Normal", null, Look.of(ParagraphProperty.INDENT_START, (level - 1) * 18.0)
                    .with(ParagraphProperty.SPACE_AFTER, 3.0)
                    .with(ParagraphProperty.SPACE_BEFORE, level == 1 ? 6.0 : 0.0).with(TextProperty.BOLD, level == 1)
                    .with(ParagraphProperty.TABS, new TabStops(List.of(new TabStop(453.5, TabStop.Kind.END, TabStop.Leader.DOTS)))));
        }
        styles.put("Hyperlink", new Style("Hyperlink", "Hyperlink", Style.Kind.CHARACTER, null, null, Look.of(TextProperty.COLOUR, new Colour(0x0B5C8C))
                .with(TextProperty.UNDERLINE, TextProperty.Underline.SINGLE)));
        styles.put("FootnoteReference", new Style("FootnoteReference", "footnote reference", Style.Kind.CHARACTER, null, null,
                Look.of(TextProperty.SCRIPT, TextProperty.Script.SUPER)));
        styles.put("Strong", new Style("Strong", "Strong", Style.Kind.CHARACTER, null, null, Look.of(TextProperty.BOLD, true)));
        styles.put(TABLE, table());
        return new StyleSheet(defaults, "Normal", null, styles);
    }

    private static Style table() {
        Border line = Border.single(0.75, TIDE);
        Look whole = Look.of(TableProperty.BORDERS, Borders.all(line)).with(TableProperty.PADDING, new TableProperty.Insets(1, 6, 1, 6))
                .with(TableProperty.VERTICAL_ALIGNMENT, TableProperty.VerticalAlignment.CENTRE);
        Look head = Look.of(TableProperty.SHADING, FOAM);
        return new Style(TABLE, "Sound Table", Style.Kind.TABLE, null, null, whole, Map.of(TableProperty.TablePart.FIRST_ROW, head));
    }

    static Numbering numbering() {
        List<Numbering.Level> headings = new ArrayList<>();
        String label = "";
        for (int level = 1; level <= 3; level++) {
            label = label.isEmpty() ? "%1" : label + ".%" + level;
            double hang = level == 3 ? 36 : 28;
            headings.add(new Numbering.Level(NumberFormat.DECIMAL, 1, label, Numbering.Suffix.TAB, null, "Heading" + level, indent(hang, -hang)));
        }
        List<Numbering.Level> bullets = List.of(
                new Numbering.Level(NumberFormat.BULLET, 1, "\u2022", Numbering.Suffix.TAB, null, null, indent(20, -14)),
                new Numbering.Level(NumberFormat.BULLET, 1, "\u2013", Numbering.Suffix.TAB, null, null, indent(38, -14)));
        List<Numbering.Level> steps = List.of(
                new Numbering.Level(NumberFormat.DECIMAL, 1, "%1.", Numbering.Suffix.TAB, null, null, indent(22, -18)),
                new Numbering.Level(NumberFormat.LOWER_LETTER, 1, "%2)", Numbering.Suffix.TAB, null, null, indent(42, -18)));
        return Numbering.NONE.with(new Numbering.Pattern("1", headings), list(HEADINGS, "1")).with(new Numbering.Pattern("2", bullets), list(BULLETS, "2"))
                .with(new Numbering.Pattern("3", steps), list(STEPS, "3")).with(new Numbering.Pattern("4", steps), list(MORE_STEPS, "4"));
    }

    private static Numbering.NumberedList list(String id, String pattern) { return new Numbering.NumberedList(id, pattern, Map.of(), Map.of()); }

    private static Look indent(double start, double first) { return Look.of(ParagraphProperty.INDENT_START, start).with(ParagraphProperty.FIRST_LINE, first); }

    private static void add(Map<String, Style> styles, String id, String name, String parent, String next, Look look) {
        styles.put(id, new Style(id, name, Style.Kind.PARAGRAPH, parent, next, look));
    }
}
