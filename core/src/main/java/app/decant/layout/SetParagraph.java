package app.decant.layout;

import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.page.Line;
import java.util.List;

/**
 * A paragraph broken into lines for one width.
 *
 * @param notes whose marks stand on each line; empty where none has any
 */
record SetParagraph(Paragraph source, Look look, List<Line> lines, List<List<Inline.Note>> notes) {
    /** Lines beyond a column that its last ones may be kept with. */
    private static final int BEYOND = 4;

    SetParagraph {
        lines = List.copyOf(lines);
        notes = notes.stream().allMatch(List::isEmpty) ? List.of() : List.copyOf(notes);
    }

    /** The notes whose marks stand on a line. */
    List<Inline.Note> notesOn(int line) { return notes.isEmpty() ? List.of() : notes.get(line); }

    /** The index of the line that starts at a caret position, or -1. */
    int lineAt(int start) {
        int low = 0;
        int high = lines.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int found = lines.get(middle).start();
            if (found == start) return middle;
            if (found < start) low = middle + 1;
            else high = middle - 1;
        }
        return -1;
    }

    /** The lines from one on, no more than a column of the height has room for and what decides where it ends: a paragraph may run over thousands of pages. */
    SetParagraph part(int first, double height) {
        int last = first;
        for (double used = 0; last < lines.size() && used <= height; last++) used += lines.get(last).gap() + lines.get(last).height();
        last = Math.min(lines.size(), last + BEYOND);
        return first == 0 && last == lines.size() ? this
                : new SetParagraph(source, look, lines.subList(first, last), notes.isEmpty() ? notes : notes.subList(first, last));
    }

    double height() {
        double height = 0;
        for (Line line : lines) height += line.gap() + line.height();
        return height;
    }
}
