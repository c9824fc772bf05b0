package app.decant.layout;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Rewriting;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.font.FontCatalogue;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Says how wide columns are of which nobody said it, as they are set: for formats that know no others. */
public final class StatedColumns extends Rewriting {
    private final Composer composer;
    private double available;
    /** Where the columns of the table at hand begin and end. */
    private double[] edges = {};

    private StatedColumns(Document document, FontCatalogue fonts) {
        Cascade cascade = Cascade.of(document);
        composer = new Composer(new StyleBook(cascade, fonts, document.facts().language()), document.tabWidth());
        composer.surround(ListLabels.of(document, cascade), Map.of(), new FieldValues("1", 1, 1, "", Map.of(), Map.of(), Facts.NONE, LocalDate.EPOCH));
    }

    public static Document of(Document document, FontCatalogue fonts) { return new StatedColumns(document, fonts).document(document); }

    @Override protected Section section(Section section) {
        available = section.columns().within(section.page().textWidth()).get(0)[1];
        return super.section(section);
    }

    @Override protected Table table(Table told) {
        double around = available;
        double[] outer = edges;
        Look look = composer.styles().cascade().table(told);
        List<Double> columns = FittedColumns.isStored(told.columns()) ? told.columns() : TableSetter.columns(composer, told, look, available);
        edges = new double[columns.size() + 1];
        for (int i = 0; i < columns.size(); i++) edges[i + 1] = edges[i] + columns.get(i);
        Table table = super.table(told);
        available = around;
        edges = outer;
        return columns == told.columns() ? table : new Table(table.look(), new ArrayList<>(columns), table.rows());
    }

    @Override protected Table.Cell cell(Table.Cell cell) {
        int last = edges.length - 1;
        TableProperty.Insets padding = cell.look().get(TableProperty.PADDING, TableSetter.PADDING);
        double width = edges[Math.min(last, cell.column() + cell.columnSpan())] - edges[Math.min(last, cell.column())];
        available = Math.max(1, width - padding.left() - padding.right());
        return super.cell(cell);
    }
}
