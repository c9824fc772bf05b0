package app.decant.format;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import com.github.difflib.DiffUtils;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * What a reader would see of a document, as lines that can be compared whatever formats it went through: styles and direct looks resolved, lists by
 * their labels, cells by their places. Aspects that a format does not carry can be left out.
 */
public final class Portrait {
    /** What is told. */
    public enum Aspect { FONTS, COLOURS, SPACING, INDENTS, PAGES, FRAMES, TABLE_LINES, PICTURE_SIZES, FIELDS, BOOKMARKS, NOTES, LABELS, OUTLINE, FLOATING,
            TABS }

    private final Set<Aspect> aspects;
    private final Cascade cascade;
    private final ListLabels labels;
    private final List<String> lines = new ArrayList<>();

    private Portrait(Document document, Set<Aspect> aspects) {
        this.aspects = aspects;
        cascade = Cascade.of(document);
        labels = ListLabels.of(document, cascade);
    }

    public static List<String> of(Document document, Set<Aspect> aspects) {
        Portrait portrait = new Portrait(document, aspects);
        for (Section section : document.sections()) portrait.section(section);
        return portrait.lines;
    }

    /** Lines in which two documents differ: those of the first with a minus, of the second with a plus. */
    public static List<String> differences(Document before, Document after, Set<Aspect> aspects) {
        List<String> differences = new ArrayList<>();
        for (var delta : DiffUtils.diff(of(before, aspects), of(after, aspects)).getDeltas()) {
            delta.getSource().getLines().forEach(line -> differences.add("- " + line));
            delta.getTarget().getLines().forEach(line -> differences.add("+ " + line));
        }
        return differences;
    }

    private boolean tells(Aspect aspect) { return aspects.contains(aspect); }

    private static String number(double value) { return String.format(Locale.ROOT, "%.1f", Math.round(value * 10) / 10.0 + 0.0); }

    private void section(Section section) {
        if (tells(Aspect.PAGES)) {
            Section.PageGeometry page = section.page();
            lines.add("SECTION " + section.start() + " " + number(page.width()) + "x" + number(page.height()) + " " + number(page.top()) + " "
                    + number(page.right()) + " " + number(page.bottom()) + " " + number(page.left()) + " columns " + section.columns().count()
                    + " numbers " + section.numbering().format() + " " + section.numbering().start() + (section.firstPageDiffers() ? " first differs" : ""));
        }
        if (tells(Aspect.FRAMES)) section.frames().forEach((place, blocks) -> {
            lines.add("FRAME " + place);
            blocks(blocks, "  ", Look.PLAIN);
        });
        blocks(section.blocks(), "", Look.PLAIN);
    }

    private void blocks(List<? extends Block> blocks, String indent, Look table) {
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) paragraph(paragraph, indent, table);
            else if (block instanceof Contents contents) blocks(contents.entries(), indent, table);
            else if (block instanceof Table one) table(one, indent);
        }
    }

    private void table(Table table, String indent) {
        for (int r = 0; r < table.rows().size(); r++) {
            Look row = table.rows().get(r).look();
            lines.add(indent + "ROW" + (row.is(TableProperty.HEADER_ROW) ? " header" : ""));
            for (Table.Cell cell : table.rows().get(r).cells()) {
                Look look = cascade.cell(table, r, cell);
                double width = table.columns().stream().skip(cell.column()).limit(cell.columnSpan()).mapToDouble(Double::doubleValue).sum();
                String lined = "";
                if (tells(Aspect.TABLE_LINES)) {
                    Borders borders = look.get(TableProperty.BORDERS, Borders.OPEN);
                    Colour shading = look.get(TableProperty.SHADING);
                    lined = " w" + Math.round(width) + " " + border(borders.top()) + border(borders.right()) + border(borders.bottom())
                            + border(borders.left()) + (shading == null || shading.isAutomatic() ? "" : " #" + shading.hex()) + " "
                            + look.get(TableProperty.VERTICAL_ALIGNMENT, TableProperty.VerticalAlignment.TOP);
                }
                lines.add(indent + "CELL " + cell.columnSpan() + "x" + cell.rowSpan() + lined);
                blocks(cell.blocks(), indent + "  ", look);
            }
        }
    }

    private static String border(Border border) {
        return border == null || !border.isVisible() ? "-" : border.line() + number(border.width()) + (border.colour().isAutomatic() ? "" : border.colour()
                .hex()) + " ";
    }

    private void paragraph(Paragraph paragraph, String indent, Look table) {
        Look look = cascade.paragraph(paragraph, table);
        StringBuilder line = new StringBuilder(indent);
        line.append(look.get(ParagraphProperty.ALIGNMENT, Alignment.START).name().charAt(0));
        if (tells(Aspect.OUTLINE)) line.append(look.get(ParagraphProperty.OUTLINE_LEVEL, 0));
        if (tells(Aspect.INDENTS))
            line.append(" i").append(number(look.get(ParagraphProperty.INDENT_START, 0.0))).append(',')
                    .append(number(look.get(ParagraphProperty.INDENT_END, 0.0))).append(',').append(number(look.get(ParagraphProperty.FIRST_LINE, 0.0)));
        if (tells(Aspect.SPACING)) {
            ParagraphProperty.LineSpacing spacing = look.get(ParagraphProperty.LINE_SPACING, ParagraphProperty.LineSpacing.SINGLE);
            line.append(" s").append(number(look.get(ParagraphProperty.SPACE_BEFORE, 0.0))).append(',')
                    .append(number(look.get(ParagraphProperty.SPACE_AFTER, 0.0))).append(',').append(spacing.rule().name().charAt(0))
                    .append(String.format(Locale.ROOT, "%.2f", spacing.value()));
        }
        if (tells(Aspect.TABS) && look.get(ParagraphProperty.TABS) != null)
            for (ParagraphProperty.TabStop stop : look.get(ParagraphProperty.TABS).stops())
                if (stop.kind() != ParagraphProperty.TabStop.Kind.CLEAR)
                    line.append(" t").append(number(stop.position())).append(stop.kind()).append(stop.leader());
        String label = labels.label(paragraph);
        if (tells(Aspect.LABELS) && label != null && !label.isEmpty()) line.append(" (").append(label).append(')');
        line.append(' ');
        List<String> below = new ArrayList<>();
        String last = null;
        for (Inline inline : paragraph.inlines()) {
            String dress = inline.length() == 0 ? last : dress(cascade.text(paragraph, inline.look(), table));
            Inline shown = inline;
            if (inline.length() > 0 && !dress.equals(last)) {
                // The looks of spaces are not seen.
                if (inline instanceof Inline.Text run) {
                    String letters = run.text().stripLeading();
                    line.append(run.text(), 0, run.text().length() - letters.length());
                    shown = new Inline.Text(letters, run.look());
                }
                if (shown.length() > 0) {
                    line.append('[').append(dress).append(']');
                    last = dress;
                }
            }
            inline(shown, line, below, indent);
        }
        lines.add(line.toString().stripTrailing());
        lines.addAll(below);
    }

    private void inline(Inline inline, StringBuilder line, List<String> below, String indent) {
        if (inline instanceof Inline.Text run) {
            line.append(run.text());
        } else if (inline instanceof Inline.Field field) {
            if (field.kind() != Inline.Field.Kind.NOTE_MARK) line.append(tells(Aspect.FIELDS) ? "{" + field.kind() + "}" : field.result());
        } else if (inline instanceof Inline.BookmarkPoint point) {
            if (tells(Aspect.BOOKMARKS)) line.append(point.start() ? "<" + point.name() + ">" : "</" + point.name() + ">");
        } else if (inline instanceof Inline.InlinePicture picture) {
            line.append("{picture").append(tells(Aspect.PICTURE_SIZES) ? " " + Math.round(picture.picture().width()) + "x"
                    + Math.round(picture.picture().height()) : "").append('}');
        } else if (inline instanceof Inline.Note note) {
            line.append("{note}");
            if (tells(Aspect.NOTES)) inner(note.blocks(), below, indent + "  NOTE ");
        } else if (inline instanceof Inline.Floating floating && tells(Aspect.FLOATING)) {
            if (floating.content() instanceof Picture picture)
                line.append("{floating ").append(Math.round(picture.width())).append('x').append(Math.round(picture.height())).append('}');
            else inner(((TextBox) floating.content()).blocks(), below, indent + "  BOX ");
        }
    }

    private void inner(List<Block> blocks, List<String> below, String indent) {
        int before = lines.size();
        blocks(blocks, indent, Look.PLAIN);
        while (lines.size() > before) below.add(lines.remove(before));
    }

    private String dress(Look look) {
        StringBuilder dress = new StringBuilder();
        if (tells(Aspect.FONTS)) dress.append(look.get(TextProperty.FAMILY)).append(' ').append(number(look.get(TextProperty.SIZE, 10.0)));
        if (look.is(TextProperty.BOLD)) dress.append(" b");
        if (look.is(TextProperty.ITALIC)) dress.append(" i");
        if (look.get(TextProperty.UNDERLINE, Underline.NONE) != Underline.NONE) dress.append(" u");
        if (look.is(TextProperty.STRIKE)) dress.append(" s");
        if (look.get(TextProperty.SCRIPT, Script.BASELINE) != Script.BASELINE) dress.append(' ').append(look.get(TextProperty.SCRIPT));
        if (tells(Aspect.FONTS) && look.is(TextProperty.SMALL_CAPITALS)) dress.append(" sc");
        Colour colour = look.get(TextProperty.COLOUR, Colour.AUTOMATIC);
        if (tells(Aspect.COLOURS) && !colour.isAutomatic() && colour.rgb() != 0) dress.append(" #").append(colour.hex());
        if (tells(Aspect.COLOURS) && look.get(TextProperty.HIGHLIGHT) != null && !look.get(TextProperty.HIGHLIGHT).isAutomatic())
            dress.append(" on #").append(look.get(TextProperty.HIGHLIGHT).hex());
        Link link = look.get(TextProperty.LINK);
        if (link != null) dress.append(" -> ").append(link instanceof Link.Address address ? address.uri() : "#"
                + (tells(Aspect.BOOKMARKS) ? ((Link.Inside) link).bookmark() : ""));
        return dress.toString().strip();
    }
}
