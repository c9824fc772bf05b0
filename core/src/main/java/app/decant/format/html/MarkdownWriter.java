package app.decant.format.html;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.Written;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Writes Markdown (CommonMark, with tables and struck text): headings, lists, tables, links, emphasis; notes at the end. */
public final class MarkdownWriter {
    private final Document document;
    private final Cascade cascade;
    private final ListLabels labels;
    private final StringBuilder out = new StringBuilder();
    private final List<Inline.Note> notes = new ArrayList<>();
    private boolean pictures;

    private MarkdownWriter(Document document) {
        this.document = document;
        cascade = Cascade.of(document);
        labels = ListLabels.of(document, cascade);
    }

    public static Written write(Document document) {
        MarkdownWriter writer = new MarkdownWriter(document);
        writer.blocks(document.blocks());
        for (int i = 0; i < writer.notes.size(); i++) {
            StringBuilder note = new StringBuilder();
            for (Block block : writer.notes.get(i).blocks())
                if (block instanceof Paragraph paragraph) note.append(note.isEmpty() ? "" : " ").append(writer.line(paragraph).strip());
            writer.out.append("\\[").append(i + 1).append("\\] ").append(note).append("\n\n");
        }
        List<Finding> findings = new ArrayList<>(List.of(Finding.changed("Markdown holds words, headings, lists, tables and links; fonts, colours and "
                + "pages are lost.", "")));
        if (writer.pictures) findings.add(Finding.lost("Pictures are left out of the Markdown; their descriptions stand in their place.", ""));
        return new Written(writer.out.toString().replaceAll("\n{3,}", "\n\n").getBytes(StandardCharsets.UTF_8), findings);
    }

    private void blocks(List<? extends Block> blocks) {
        String list = null;
        for (Block block : blocks) {
            String own = block instanceof Paragraph paragraph && isItem(paragraph) ? cascade.paragraph(paragraph).get(ParagraphProperty.LIST).list() : null;
            if (list != null && own == null) out.append('\n');
            list = own;
            if (block instanceof Paragraph paragraph) {
                paragraph(paragraph);
                for (Inline inline : paragraph.inlines())
                    if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) blocks(box.blocks());
            } else if (block instanceof Contents contents) contents(contents);
            else if (block instanceof Table table) table(table);
        }
        out.append('\n');
    }

    private boolean isItem(Paragraph paragraph) {
        ParagraphProperty.ListReference list = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        return cascade.outlineLevel(paragraph) == 0 && list != null && list.list() != null && labels.label(paragraph) != null && document.numbering()
                .level(list) != null;
    }

    private void contents(Contents contents) {
        for (Paragraph entry : contents.entries()) out.append(line(entry).replace('\t', ' ').strip()).append("\n\n");
    }

    private void paragraph(Paragraph paragraph) {
        String text = line(paragraph);
        int level = cascade.outlineLevel(paragraph);
        String label = labels.label(paragraph);
        if (isItem(paragraph)) {
            Numbering.Level told = document.numbering().level(cascade.paragraph(paragraph).get(ParagraphProperty.LIST));
            String indent = "    ".repeat(cascade.paragraph(paragraph).get(ParagraphProperty.LIST).level());
            boolean counted = told.format() == NumberFormat.DECIMAL && label.matches("\\d{1,9}[.)]");
            boolean bullet = told.format() == NumberFormat.BULLET;
            out.append(indent).append(counted ? label : "-").append(' ').append(counted || bullet ? "" : escaped(label) + " ").append(text.strip())
                    .append('\n');
            return;
        }
        if (text.isBlank()) return;
        String numbered = label == null || label.isBlank() ? text : escaped(label) + " " + text;
        if (level > 0) out.append("#".repeat(Math.min(6, level))).append(' ').append(numbered.replace("\\\n", " ").strip());
        else out.append(starts(numbered.strip()));
        out.append("\n\n");
    }

    /** What would be taken for a heading, a list or a quotation at the start of a line. */
    private static String starts(String text) {
        if (text.matches("(?s)\\d{1,9}[.)].*")) return text.replaceFirst("([.)])", "\\\\$1");
        return text.matches("(?s)[#+>-].*") ? "\\" + text : text;
    }

    private void table(Table table) {
        if (table.rows().isEmpty()) return;
        int columns = table.columns().size();
        for (int r = 0; r < table.rows().size(); r++) {
            String[] cells = new String[columns];
            Arrays.fill(cells, "");
            for (Table.Cell cell : table.rows().get(r).cells()) if (cell.column() < columns) cells[cell.column()] = cell(cell);
            out.append("| ").append(String.join(" | ", cells)).append(" |\n");
            if (r == 0) out.append("|").append(" --- |".repeat(columns)).append('\n');
        }
        out.append('\n');
    }

    private String cell(Table.Cell cell) {
        StringBuilder text = new StringBuilder();
        for (Block block : cell.blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            String label = isItem(paragraph) ? labels.label(paragraph) + " " : "";
            text.append(text.isEmpty() ? "" : " ").append(escaped(label)).append(line(paragraph).strip());
        }
        return text.toString().replace("\\\n", " ").replace("\n", " ").replace("|", "\\|");
    }

    private String line(Paragraph paragraph) {
        StringBuilder line = new StringBuilder();
        for (Inline inline : paragraph.inlines()) {
            Look look = cascade.text(paragraph, inline.look());
            Look style = cascade.text(new Paragraph(paragraph.style(), Look.PLAIN, Look.PLAIN, List.of()), Look.PLAIN);
            if (inline instanceof Inline.Text run) {
                line.append(dressed(run.text(), look, style));
            } else if (inline instanceof Inline.Field field && field.kind() != Inline.Field.Kind.NOTE_MARK) {
                line.append(dressed(field.result(), look, style));
            } else if (inline instanceof Inline.Note note) {
                notes.add(note);
                line.append("\\[").append(notes.size()).append("\\]");
            } else if (inline instanceof Inline.InlinePicture || inline instanceof Inline.Floating floating
                    && floating.content() instanceof Picture) {
                pictures = true;
            }
        }
        return line.toString();
    }

    /** Signs of emphasis stand at letters, never at spaces. */
    private static String dressed(String text, Look look, Look style) {
        String plain = text.replace("\f", "").replace("\u000B", "");
        String core = plain.strip();
        if (core.isEmpty()) return plain.replace("\n", "\\\n").replace('\t', ' ');
        int from = plain.indexOf(core);
        String signs = (look.is(TextProperty.BOLD) && !style.is(TextProperty.BOLD) ? "**" : "") + (look.is(TextProperty.ITALIC)
                && !style.is(TextProperty.ITALIC) ? "*" : "");
        String struck = look.is(TextProperty.STRIKE) ? "~~" : "";
        String inside = escaped(core).replace("\n", "\\\n").replace('\t', ' ');
        String made = struck + signs + inside + new StringBuilder(signs).reverse() + struck;
        if (look.get(TextProperty.LINK) instanceof Link.Address address)
            made = "[" + made + "](<" + address.uri().replace("<", "%3C").replace(">", "%3E") + ">)";
        return plain.substring(0, from).replace('\t', ' ') + made + plain.substring(from + core.length()).replace("\n", "\\\n").replace('\t', ' ');
    }

    private static String escaped(String text) { return text.replaceAll("([\\\\`*_\\[\\]<>&~|])", "\\\\$1"); }
}
