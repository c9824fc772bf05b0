package app.decant.recover.region;

import app.decant.recover.line.TextLine;
import app.decant.recover.table.TableGrid;
import java.util.ArrayList;
import java.util.List;

/**
 * A table that stands in a header or footer, such as the box with title, number and page that every sheet of a procedure has.
 *
 * @param lines what its cells say, cell by cell
 */
public record FrameTable(TableGrid grid, List<FrameLine> lines) implements FramePart {
    public FrameTable { lines = List.copyOf(lines); }

    /** @param fields the parts of {@code row}'s text that count pages */
    static FrameTable of(EdgeRow row, List<FrameLine.Part> fields) {
        List<FrameLine> lines = new ArrayList<>();
        int from = 0;
        for (TextLine line : row.lines()) {
            int start = from;
            int end = from + line.text().length();
            lines.add(new FrameLine(line, fields.stream().filter(part -> part.from() >= start && part.to() <= end)
                    .map(part -> new FrameLine.Part(part.from() - start, part.to() - start, part.kind())).toList(), null));
            from = end + 1;
        }
        return new FrameTable(row.grid(), lines);
    }

    @Override public String signature() {
        StringBuilder text = new StringBuilder("table@" + Math.round(grid.top() / 3));
        for (FrameLine line : lines) text.append('\t').append(line.signature());
        return text.toString();
    }

    @Override public double top() { return grid.top(); }
    @Override public double bottom() { return grid.bottom(); }
    @Override public double baseline() { return grid.bottom(); }
}
