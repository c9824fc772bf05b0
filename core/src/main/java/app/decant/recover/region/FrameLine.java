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
public record FrameLine(TextLine line, List<Part> fields, Ink.Stroke rule) {
    /** From one character up to another, and what it counts. */
    public record Part(int from, int to, Field.Kind kind) { }

    /** What is the same on every page that has this line. */
    public String signature() {
        StringBuilder text = new StringBuilder(line.text());
        for (int i = fields.size() - 1; i >= 0; i--) text.replace(fields.get(i).from, fields.get(i).to, fields.get(i).kind.name());
        return text + "@" + Math.round(line.baseline() / 3);
    }

    FrameLine with(Ink.Stroke other) { return new FrameLine(line, fields, other); }
}
