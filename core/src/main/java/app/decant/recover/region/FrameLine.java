package app.decant.recover.region;

import app.decant.document.Inline.Field;
import app.decant.pdf.read.Ink;
import app.decant.recover.line.TextLine;
import java.util.List;

/**
 * A line of a header or footer.
 *
 * @param fields the parts of its text that count pages
 * @param rule   a line drawn between it and the body, or null
 */
public record FrameLine(TextLine line, List<Part> fields, Ink.Stroke rule) implements FramePart {
    /** How far letters reach above their baseline and below it, in sizes. */
    private static final double ASCENT = 0.91;
    private static final double DESCENT = 0.24;

    /** From one character up to another, and what it counts. */
    public record Part(int from, int to, Field.Kind kind) { }

    @Override public String signature() {
        StringBuilder text = new StringBuilder(line.text());
        for (int i = fields.size() - 1; i >= 0; i--) text.replace(fields.get(i).from, fields.get(i).to, fields.get(i).kind.name());
        return text + "@" + Math.round(line.baseline() / 3);
    }

    @Override public List<FrameLine> lines() { return List.of(this); }
    @Override public double top() { return line.baseline() - ASCENT * line.size(); }
    @Override public double bottom() { return line.baseline() + DESCENT * line.size(); }
    @Override public double baseline() { return line.baseline(); }

    FrameLine with(Ink.Stroke other) { return new FrameLine(line, fields, other); }
}
