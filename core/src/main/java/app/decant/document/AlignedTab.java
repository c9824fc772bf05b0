package app.decant.document;

import app.decant.document.ParagraphProperty.TabStop;

/**
 * Where a tab character goes that heeds no stops but the edges of its text: what follows it begins, is centred or ends there (ISO/IEC 29500-1, 17.3.3.23).
 *
 * @param kind    {@code START}, {@code CENTRE} or {@code END}
 * @param indents whether between the paragraph's indents; otherwise between the edges of its column
 */
public record AlignedTab(TabStop.Kind kind, boolean indents, TabStop.Leader leader) {
    public AlignedTab {
        if (kind != TabStop.Kind.START && kind != TabStop.Kind.CENTRE && kind != TabStop.Kind.END) throw new IllegalArgumentException("No edge: " + kind);
    }

    /**
     * As a stop in a column, in points from its start.
     *
     * @param start of the paragraph's indented text
     * @param end   of it
     * @param width of the column
     */
    public TabStop in(double start, double end, double width) {
        double first = indents ? start : 0;
        double last = indents ? end : width;
        double position = switch (kind) {
            case START -> first;
            case CENTRE -> (first + last) / 2;
            default -> last;
        };
        return new TabStop(position, kind, leader);
    }
}
