package app.decant.document;

import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;

/** What tables, rows and cells can say about their look. Distances in points. */
public final class TableProperty {
    /** Outer borders of a table, or the four of a cell. */
    public static final Property<Borders> BORDERS = new Property<>("table borders", Borders.class);
    public static final Property<Colour> SHADING = new Property<>("cell shading", Colour.class);
    /** Space between a cell's border and its text. */
    public static final Property<Insets> PADDING = new Property<>("cell padding", Insets.class);
    public static final Property<Double> INDENT = new Property<>("table indent", Double.class);
    public static final Property<ParagraphProperty.Alignment> ALIGNMENT = new Property<>("table alignment", ParagraphProperty.Alignment.class);
    /** Where a table stands that text runs round (ISO/IEC 29500-1, 17.4.57); measured from the paragraph that follows. */
    public static final Property<Anchor> FLOATING = new Property<>("floating table", Anchor.class);
    public static final Property<String> STYLE = new Property<>("table style", String.class);
    /** The width asked for the whole table; absent: as its columns. */
    public static final Property<Double> WIDTH = new Property<>("table width", Double.class);
    /** The width asked for, as a share of the column it stands in. */
    public static final Property<Double> WIDTH_SHARE = new Property<>("table width share", Double.class);
    /** Whether columns give way to what stands in them: none narrower than its words, those without a width as wide as their text. */
    public static final Property<Boolean> FITTED = new Property<>("columns fitted to contents", Boolean.class);
    public static final Property<VerticalAlignment> VERTICAL_ALIGNMENT = new Property<>("vertical alignment", VerticalAlignment.class);
    /** Which way a cell's lines run; absent: across. */
    public static final Property<Running> RUNNING = new Property<>("running of lines", Running.class);
    /** A row repeated at the head of each page. */
    public static final Property<Boolean> HEADER_ROW = new Property<>("header row", Boolean.class);
    /** A row never split over pages. */
    public static final Property<Boolean> KEEP_ROW = new Property<>("row kept whole", Boolean.class);
    public static final Property<Double> ROW_HEIGHT = new Property<>("row height", Double.class);
    /** Whether {@link #ROW_HEIGHT} is exact; absent: at least. */
    public static final Property<Boolean> ROW_HEIGHT_EXACT = new Property<>("exact row height", Boolean.class);
    /** Which conditional parts of the table's style apply; see {@link TablePart}. */
    public static final Property<TableParts> PARTS = new Property<>("table style parts", TableParts.class);

    /** That somebody put a row in or took it out, unsettled yet. */
    public static final Property<TrackedChange> TRACKED = new Property<>("tracked row", TrackedChange.class);

    /** Where a cell's text stands between its top and bottom. */
    public enum VerticalAlignment { TOP, CENTRE, BOTTOM }

    /** Lines that run across, from the foot of a cell up, or from its head down (ISO/IEC 29500-1, 17.18.93). */
    public enum Running { ACROSS, UP, DOWN }

    /** The parts of a table that its style may dress apart. */
    public enum TablePart { WHOLE, FIRST_ROW, LAST_ROW, FIRST_COLUMN, LAST_COLUMN, ODD_ROWS, EVEN_ROWS, ODD_COLUMNS, EVEN_COLUMNS }

    /** A set of parts. */
    public record TableParts(Set<TablePart> parts) {
        public TableParts { parts = Collections.unmodifiableSet(new TreeSet<>(parts)); }
    }

    /** Distances on the four sides. */
    public record Insets(double top, double right, double bottom, double left) {
        public static final Insets NONE = new Insets(0, 0, 0, 0);
    }

    private TableProperty() { }
}
