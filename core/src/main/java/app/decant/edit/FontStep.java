package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.FontFile;
import java.util.List;

/** Other fonts that travel with a document. */
public record FontStep(List<FontFile> fonts) implements Step {
    public FontStep { fonts = List.copyOf(fonts); }

    @Override public Outcome apply(Document document) { return Outcome.of(document.withFonts(fonts)); }

    @Override public FontStep inverse(Document before) { return new FontStep(before.fonts()); }

    @Override public PositionMap map() { return PositionMap.SAME; }
}
