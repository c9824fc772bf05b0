package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.edit.Tables.Area;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Tables made of paragraphs, which are parted at their tabs, else at their semicolons; and paragraphs made of tables, with a tab between two cells. */
public final class TableText {
    private static final int MOST_COLUMNS = 60;

    private TableText() { }

    /** Whether what is picked is paragraphs that follow one another in the text of the body, of a header or a note, and in no table. */
    public static boolean canMake(Document document, Selection picked) {
        return picked instanceof TextSelection text && !text.isEmpty() && !paragraphs(document, text).isEmpty();
    }

    /**
     * The paragraphs that are picked as a table, each a row.
     *
     * @param width of all columns together, in points
     * @throws IllegalArgumentException where something else is picked
     */
    public static Change make(Document document, Selection picked, double width) {
        List<Paragraph> paragraphs = picked instanceof TextSelection text ? paragraphs(document, text) : List.of();
        if (paragraphs.isEmpty()) throw new IllegalArgumentException("No paragraphs are picked");
        char sign = paragraphs.stream().anyMatch(one -> one.text().indexOf('\t') >= 0) ? '\t' : ';';
        List<List<Paragraph>> rows = paragraphs.stream().map(one -> parts(one, sign)).toList();
        int columns = rows.stream().mapToInt(List::size).max().orElse(1);
        List<Table.Row> made = new ArrayList<>();
        for (List<Paragraph> row : rows) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < columns; c++)
                cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(c < row.size() ? row.get(c) : row.get(0).withInlines(List.of()))));
            made.add(new Table.Row(Look.PLAIN, cells));
        }
        Look look = Look.of(TableProperty.BORDERS, Borders.all(Border.single(0.5, Colour.BLACK)))
                .with(TableProperty.PADDING, new TableProperty.Insets(2, 5, 2, 5));
        Table table = new Table(look, Collections.nCopies(columns, width / columns), made);
        BlockPath first = ((TextSelection) picked).start().path();
        int at = first.last();
        int after = at + paragraphs.size();
        List<Block> blocks = new ArrayList<>(List.of(table));
        // Below a table one can go on writing.
        if (after >= document.children(picked.story(), first.parent()).size()) blocks.add(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of()));
        Draft draft = new Draft(document, picked).add(new BlockStep(picked.story(), first.parent(), at, after, blocks));
        return draft.done(EditKind.TABLE, new Place(picked.story(), first.then(0, 0, 0), 0));
    }

    private static List<Paragraph> paragraphs(Document document, TextSelection picked) {
        BlockPath from = picked.start().path();
        BlockPath to = picked.end().path();
        int depth = picked.story() instanceof Story.Body ? 2 : from.size();
        if (from.size() != depth || to.size() != depth || !from.parent().equals(to.parent()) || Tables.area(document, picked) != null) return List.of();
        List<Paragraph> paragraphs = new ArrayList<>();
        List<? extends Block> around = document.children(picked.story(), from.parent());
        for (int b = from.last(); b <= to.last(); b++) {
            if (!(around.get(b) instanceof Paragraph paragraph)) return List.of();
            paragraphs.add(paragraph);
        }
        return paragraphs;
    }

    /** A paragraph parted at a sign, without spaces beside it. */
    private static List<Paragraph> parts(Paragraph paragraph, char sign) {
        String text = paragraph.text();
        List<Paragraph> parts = new ArrayList<>();
        int from = 0;
        while (parts.size() < MOST_COLUMNS) {
            int to = parts.size() == MOST_COLUMNS - 1 ? -1 : text.indexOf(sign, from);
            int end = to < 0 ? text.length() : to;
            int begin = from;
            while (begin < end && text.charAt(begin) == ' ') begin++;
            int last = end;
            while (last > begin && text.charAt(last - 1) == ' ') last--;
            // Places that links lead to stay with the words before the sign.
            parts.add(paragraph.withInlines(paragraph.part(from == 0 ? Cut.before(0) : Cut.before(begin), Cut.after(paragraph, last))));
            if (to < 0) break;
            from = to + 1;
        }
        return parts;
    }

    /** Whether a table holds nothing but paragraphs. */
    public static boolean canPart(Area area) {
        return area.table().rows().stream().flatMap(row -> row.cells().stream()).flatMap(cell -> cell.blocks().stream()).allMatch(Paragraph.class::isInstance);
    }

    /**
     * The table that what is picked lies in as paragraphs, one for each row.
     *
     * @throws IllegalArgumentException where it lies in none, or one with other tables in it
     */
    public static Change part(Document document, Selection picked) {
        Area area = Tables.area(document, picked);
        if (area == null || !canPart(area)) throw new IllegalArgumentException("What is picked lies in no table of paragraphs");
        List<Block> made = new ArrayList<>();
        for (Table.Row row : area.table().rows()) made.add(line(row));
        int at = area.path().last();
        Draft draft = new Draft(document, picked).add(new BlockStep(area.story(), area.path().parent(), at, at + 1, made));
        TextSelection all = new TextSelection(new Place(area.story(), area.path(), 0),
                new Place(area.story(), area.path().sibling(at + made.size() - 1), ((Paragraph) made.get(made.size() - 1)).length()));
        return draft.done(EditKind.TABLE, all);
    }

    /** A row as a paragraph: that of its first cell with the words of the others behind it. */
    private static Paragraph line(Table.Row row) {
        List<Inline> inlines = new ArrayList<>();
        Paragraph first = null;
        for (Table.Cell cell : row.cells()) {
            if (first != null) inlines.add(new Inline.Text("\t", Look.PLAIN));
            for (int b = 0; b < cell.blocks().size(); b++) {
                Paragraph paragraph = (Paragraph) cell.blocks().get(b);
                if (first == null) first = paragraph;
                if (b > 0) inlines.add(new Inline.Text(" ", Look.PLAIN));
                inlines.addAll(paragraph.inlines());
            }
        }
        return first == null ? Paragraph.of("") : first.withInlines(inlines);
    }
}
