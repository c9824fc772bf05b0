package app.decant.recover;

import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.pdf.read.Glyph;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.FieldPlaces;
import app.decant.recover.region.FrameLine;
import app.decant.recover.region.FramePart;
import app.decant.recover.region.RunningHeads;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Tells which marks of its pages each paragraph of a recovered document was made of. */
final class Marks {
    private Marks() { }

    static Provenance of(Document document, Map<Paragraph, Para> origins, List<Provenance.Sheet> sheets,
            List<Provenance.Shown> pictures, List<Provenance.Head> heads) {
        Map<Paragraph, List<Provenance.Line>> lines = new IdentityHashMap<>();
        for (Walk.Stop stop : Walk.of(document).stops()) {
            Para origin = origins.get(stop.paragraph());
            if (origin == null) continue;
            List<Provenance.Line> own = new ArrayList<>();
            for (TextLine line : origin.lines()) own.add(line(line));
            lines.put(stop.paragraph(), own);
        }
        return new Provenance(lines, sheets, pictures, heads);
    }

    /** The lines of headers and footers, as each page shows them. */
    static List<Provenance.Head> heads(RunningHeads found, int pages) {
        List<Provenance.Head> heads = new ArrayList<>();
        for (int page = 0; page < pages; page++) {
            for (FramePart part : found.header(page)) for (FrameLine line : part.lines()) heads.add(head(line, true));
            for (FramePart part : found.footer(page)) for (FrameLine line : part.lines()) heads.add(head(line, false));
        }
        return heads;
    }

    private static Provenance.Head head(FrameLine frame, boolean top) {
        return new Provenance.Head(line(frame.line()), top, frame.fields().stream().map(part -> new int[] {part.from(), part.to()}).toList());
    }

    private static Provenance.Line line(TextLine line) {
        StringBuilder letters = new StringBuilder();
        int length = line.glyphs().stream().mapToInt(glyph -> glyph.text().length()).sum();
        int[] marks = new int[length];
        float[] lefts = new float[length];
        float[] rights = new float[length];
        int before = -1;
        for (Glyph glyph : line.glyphs()) {
            int at = letters.length();
            int count = glyph.text().length();
            // A space that was put where a gap is has the number of the glyph before it.
            boolean unmarked = glyph.isSpace() && glyph.order() == before || glyph.text().equals(FieldPlaces.BLANK);
            int mark = unmarked ? -1 : glyph.order();
            for (int i = 0; i < count; i++) {
                // A ligature is parted evenly.
                double from = (double) (line.isRightToLeft() ? count - 1 - i : i) / count;
                marks[at + i] = mark;
                lefts[at + i] = (float) (glyph.x() + glyph.width() * from);
                rights[at + i] = (float) (glyph.x() + glyph.width() * (from + 1.0 / count));
            }
            letters.append(glyph.text());
            before = glyph.order();
        }
        return new Provenance.Line(line.page(), letters.toString(), marks, lefts, rights, line.baseline(), line.size());
    }
}
