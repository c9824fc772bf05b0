package app.decant.layout;

import app.decant.document.Look;
import app.decant.document.Paragraph;
import java.util.List;

/** A paragraph broken into lines for one width. */
record SetParagraph(Paragraph source, Look look, List<Line> lines) {
    SetParagraph { lines = List.copyOf(lines); }

    double height() {
        double height = 0;
        for (Line line : lines) height += line.gap() + line.height();
        return height;
    }
}
