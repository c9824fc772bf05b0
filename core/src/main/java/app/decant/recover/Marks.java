package app.decant.recover;

import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.pdf.read.Glyph;
import app.decant.recover.line.TextLine;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Tells which marks of its pages each paragraph of a recovered document was made of. */
final class Marks {
    private Marks() { }

    static Provenance of(Document document, Map<Paragraph, Para> origins) {
        Map<Paragraph, List<Provenance.Line>> lines = new IdentityHashMap<>();
        for (Walk.Stop stop : Walk.of(document).stops()) {
            Para origin = origins.get(stop.paragraph());
            if (origin == null) continue;
            List<Provenance.Line> own = new ArrayList<>();
            for (TextLine line : origin.lines()) own.add(line(line));
            lines.put(stop.paragraph(), own);
        }
        return new Provenance(lines);
    }

    private static Provenance.Line line(TextLine line) {
        StringBuilder letters = new StringBuilder();
        List<Integer> marks = new ArrayList<>();
        int before = -1;
        for (Glyph glyph : line.glyphs()) {
            // A space that was put where a gap is has the number of the glyph before it.
            int mark = glyph.isSpace() && glyph.order() == before ? -1 : glyph.order();
            letters.append(glyph.text());
            for (int i = 0; i < glyph.text().length(); i++) marks.add(mark);
            before = glyph.order();
        }
        int[] numbers = marks.stream().mapToInt(Integer::intValue).toArray();
        return new Provenance.Line(line.page(), letters.toString(), numbers);
    }
}
