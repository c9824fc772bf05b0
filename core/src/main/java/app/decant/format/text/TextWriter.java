package app.decant.format.text;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.format.Written;
import java.util.ArrayList;
import java.util.List;

/** Writes a document's text: a line a paragraph, table cells parted by tabs, notes at the end. */
public final class TextWriter {
    private final StringBuilder out = new StringBuilder();
    private final ListLabels labels;
    private final List<Inline.Note> notes = new ArrayList<>();

    private TextWriter(ListLabels labels) { this.labels = labels; }

    /** The text as a file. */
    public static Written write(Document document, PlainText how) { return how.written(write(document)); }

    /** The text in Unicode, lines ended by a line feed. */
    public static String write(Document document) {
        TextWriter writer = new TextWriter(ListLabels.of(document, Cascade.of(document)));
        for (Section section : document.sections()) writer.blocks(section.blocks());
        for (int i = 0; i < writer.notes.size(); i++) {
            writer.out.append('[').append(i + 1).append("] ");
            writer.blocks(writer.notes.get(i).blocks());
        }
        return writer.out.toString();
    }

    private void blocks(List<? extends Block> blocks) {
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) paragraph(paragraph);
            else if (block instanceof Contents contents) blocks(contents.entries());
            else if (block instanceof Table table) table(table);
        }
    }

    /** The words of boxes that are anchored in it follow. */
    private void paragraph(Paragraph paragraph) {
        out.append(line(paragraph)).append('\n');
        for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) blocks(box.blocks());
    }

    private void table(Table table) {
        for (Table.Row row : table.rows()) {
            List<String> cells = new ArrayList<>();
            for (Table.Cell cell : row.cells()) {
                StringBuilder text = new StringBuilder();
                for (Block block : cell.blocks()) if (block instanceof Paragraph paragraph) text.append(text.isEmpty() ? "" : " ").append(line(paragraph));
                cells.add(text.toString());
            }
            out.append(String.join("\t", cells)).append('\n');
        }
    }

    private String line(Paragraph paragraph) {
        StringBuilder text = new StringBuilder();
        String label = labels.label(paragraph);
        if (label != null && !label.isBlank()) text.append(label).append(' ');
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.Text run) text.append(run.text().replace("\f", "").replace("\u000B", ""));
            else if (inline instanceof Inline.Field field && field.kind() != Inline.Field.Kind.NOTE_MARK) text.append(field.result());
            else if (inline instanceof Inline.Note note) {
                notes.add(note);
                text.append('[').append(notes.size()).append(']');
            }
        }
        return text.toString();
    }
}
