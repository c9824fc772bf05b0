package app.decant.format.text;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.format.formula.FormulaWords;
import app.decant.format.FramedBlocks;
import app.decant.format.Written;
import java.util.ArrayList;
import java.util.List;

/** Writes a document's text: a line a paragraph, table cells parted by tabs, notes at the end. */
public final class TextWriter {
    private final StringBuilder out = new StringBuilder();
    private final ListLabels labels;
    private final List<Inline.Note> notes = new ArrayList<>();

    private final boolean unseen;

    private TextWriter(ListLabels labels, boolean unseen) {
        this.labels = labels;
        this.unseen = unseen;
    }

    /** The text as a file. */
    public static Written write(Document document, PlainText how) { return how.written(write(document, true)); }

    /** The text in Unicode, lines ended by a line feed. */
    public static String write(Document document) { return write(document, false); }

    /** @param unseen whether the words that lie under pictures are written as well, and formulas as words */
    public static String write(Document framed, boolean unseen) {
        Document document = FramedBlocks.flowing(unseen ? FormulaWords.of(framed) : framed);
        TextWriter writer = new TextWriter(ListLabels.of(document, Cascade.of(document)), unseen);
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
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) blocks(box.blocks());
            if (inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture) words(picture);
            if (inline instanceof Inline.InlinePicture picture) words(picture.picture());
        }
    }

    /** Words that lie under a picture, line by line. */
    private void words(Picture picture) {
        if (!unseen || picture.words().isEmpty()) return;
        double baseline = picture.words().get(0).baseline();
        StringBuilder line = new StringBuilder();
        for (Picture.Word word : picture.words()) {
            if (Math.abs(word.baseline() - baseline) > word.size() * 0.4) {
                out.append(line).append('\n');
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word.text());
            baseline = word.baseline();
        }
        out.append(line).append('\n');
    }

    private void table(Table table) {
        for (Table.Row row : table.rows()) {
            List<String> cells = new ArrayList<>();
            for (Table.Cell cell : row.cells()) {
                List<String> lines = new ArrayList<>();
                lines(cell.blocks(), lines);
                cells.add(String.join(" ", lines));
            }
            out.append(String.join("\t", cells)).append('\n');
        }
    }

    /** All that a cell says, tables and boxes in it included: on one line, as the cells of a row are. */
    private void lines(List<? extends Block> blocks, List<String> lines) {
        for (Block block : blocks) {
            if (block instanceof Contents contents) lines(contents.entries(), lines);
            else if (block instanceof Table inner) for (Table.Row row : inner.rows()) for (Table.Cell cell : row.cells()) lines(cell.blocks(), lines);
            if (!(block instanceof Paragraph paragraph)) continue;
            String line = line(paragraph);
            if (!line.isEmpty()) lines.add(line);
            for (Inline inline : paragraph.inlines())
                if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) lines(box.blocks(), lines);
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
