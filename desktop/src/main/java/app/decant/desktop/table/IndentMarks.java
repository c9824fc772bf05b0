package app.decant.desktop.table;

import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import app.decant.layout.TablePlaces;
import javafx.scene.Cursor;
import javafx.scene.Group;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;

/**
 * At the upper edge of the page that is worked on: how far the picked paragraphs are in from their column, as rounds that can be drawn along. Nothing is
 * changed before the mouse is let go.
 */
final class IndentMarks {
    private static final double ROUND = 4.5;
    /** Below the page's edge, in pixels; the first line's round stands above the others. */
    private static final double DOWN = 14;
    private static final double FIRST_UP = 8;
    /** Indents go by half a millimetre. */
    private static final double STEP = 72 / 50.8;
    private static final double MILLIMETRE = 72 / 25.4;
    /** At least so much of a column stays for the text, in points. */
    private static final double LEAST = 24;

    private final Desk desk;
    private final PageTable table;
    private final Group group = new Group();
    private final Rectangle shade = new Rectangle();
    private final Rectangle bar = new Rectangle();
    private final Rectangle ghost = new Rectangle();
    private final Mark start;
    private final Mark first;
    private final Mark end;
    private Standing standing;
    private Mark held;
    private double heldAt;

    /** Where a column stands on the table, in pixels, and what its paragraph is in by, in points; no {@code right} where that is not known. */
    private record Standing(double left, double right, double y, double pageTop, double pageHeight, double start, double first, double end) { }

    /** One of the rounds, and what it stands for. */
    private final class Mark {
        final Property<Double> property;
        final Circle round = new Circle(ROUND);
        final Tooltip tip = new Tooltip();

        Mark(String id, Property<Double> property) {
            this.property = property;
            round.setId("indent-" + id);
            round.getStyleClass().addAll("indent-mark", "indent-" + id);
            round.setCursor(Cursor.H_RESIZE);
            round.setAccessibleText(Words.of("paragraph." + id));
            Tooltip.install(round, tip);
            round.setOnMousePressed(event -> {
                held = this;
                heldAt = event.getSceneX();
                event.consume();
            });
            round.setOnMouseDragged(this::drag);
            round.setOnMouseReleased(this::drop);
        }

        private void drag(MouseEvent event) {
            event.consume();
            if (held != this) return;
            double points = wished(event);
            round.setCenterX(x(points));
            ghost.setX(x(points) - 0.5);
            ghost.setY(standing.pageTop);
            ghost.setHeight(standing.pageHeight);
            ghost.setVisible(true);
            tell(points);
        }

        private void drop(MouseEvent event) {
            event.consume();
            if (held != this) return;
            double points = wished(event);
            boolean moved = Math.abs(event.getSceneX() - heldAt) > 2;
            letGo();
            if (!moved || desk.selection().get() == null) return;
            Document document = desk.document();
            desk.apply(Dressing.paragraphs(document, Tables.asCells(document, desk.selection().get()),
                    paragraph -> paragraph.withLook(paragraph.look().with(property, points)), EditKind.PARAGRAPH));
        }

        private double points() { return this == start ? standing.start : this == first ? standing.first : standing.end; }

        /** Where it would be let go: by half millimetres, no further than the page and what the text needs. */
        private double wished(MouseEvent event) {
            double by = (event.getSceneX() - heldAt) / table.scale();
            double points = Math.round((points() + (this == end ? -by : by)) / STEP) * STEP;
            double width = standing.right > 0 ? (standing.right - standing.left) / table.scale() : Double.MAX_VALUE;
            double other = this == end ? standing.start + Math.max(0, standing.first) : this == start ? standing.end + Math.max(0, standing.first)
                    : standing.end + standing.start;
            double least = this == first ? -standing.start - standing.left / table.scale() : -standing.left / table.scale();
            return Math.max(Math.min(0, least), Math.min(width - other - LEAST, points));
        }

        private double x(double points) {
            if (this == end) return standing.right - points * table.scale();
            return standing.left + (points + (this == first ? standing.start : 0)) * table.scale();
        }

        void place() {
            round.setVisible(this != end || standing.right > 0);
            round.setCenterX(x(points()));
            round.setCenterY(standing.y - (this == first ? FIRST_UP : 0));
            tell(points());
        }

        private void tell(double points) { tip.setText(Words.of("indent.tip", round.getAccessibleText(), Math.round(points / MILLIMETRE * 10) / 10.0)); }
    }

    IndentMarks(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        start = new Mark("start", ParagraphProperty.INDENT_START);
        first = new Mark("first", ParagraphProperty.FIRST_LINE);
        end = new Mark("end", ParagraphProperty.INDENT_END);
        // Where the page's edge is out of view, text would show through.
        shade.setHeight(DOWN + ROUND + 3);
        shade.setMouseTransparent(true);
        shade.getStyleClass().add("indent-shade");
        bar.setHeight(1);
        bar.setMouseTransparent(true);
        bar.getStyleClass().add("indent-bar");
        ghost.setWidth(1);
        ghost.setMouseTransparent(true);
        ghost.setVisible(false);
        ghost.getStyleClass().add("ghost-line");
        group.getChildren().addAll(shade, ghost, bar, end.round, start.round, first.round);
    }

    /** Puts them where the caret's paragraph stands; away where it stands on no page that is laid out here. */
    void place() {
        if (held != null) return;
        standing = standing();
        table.over(group, standing != null);
        if (standing == null) return;
        double right = standing.right > 0 ? standing.right : standing.left + 40;
        shade.setVisible(standing.pageTop == 0);
        shade.setX(standing.left - FIRST_UP);
        shade.setWidth(Math.max(0, right - standing.left) + 2 * FIRST_UP);
        bar.setX(standing.left);
        bar.setY(standing.y - 0.5);
        bar.setWidth(Math.max(0, right - standing.left));
        start.place();
        first.place();
        end.place();
        group.toFront();
    }

    private Standing standing() {
        PagedDocument pages = desk.pages().get();
        TextSelection picked = desk.selection().get();
        if (pages == null || picked == null || !desk.isLaidOut() || !table.isFocused() || !Lights.fits(pages, picked)) return null;
        Place head = picked.head();
        PagedDocument.Spot spot = pages.spot(head, table.near());
        if (spot == null || pages.page(spot.page()).ground() != null) return null;
        double top = table.pageY(spot.page());
        double height = pages.page(spot.page()).height() * table.scale();
        if (top + height < DOWN * 3 || top > table.getHeight()) return null;
        Document document = desk.document();
        Paragraph paragraph = document.paragraph(head);
        Look look = Cascade.of(document).paragraph(paragraph);
        double page = table.pageX(pages.page(spot.page()));
        double left = spot.line().x();
        double right = right(pages, spot.page(), head, left);
        return new Standing(page + left * table.scale(), right > 0 ? page + right * table.scale() : 0, Math.max(top, 0) + DOWN, Math.max(top, 0), height,
                look.get(ParagraphProperty.INDENT_START, 0.0), look.get(ParagraphProperty.FIRST_LINE, 0.0), look.get(ParagraphProperty.INDENT_END, 0.0));
    }

    /** The right edge of the column of text or the cell that begins somewhere on a page, in points; 0 where that is not known, as in a box. */
    private static double right(PagedDocument pages, int page, Place head, double left) {
        Tables.Area cell = Tables.area(pages.document(), TextSelection.caret(head));
        TablePlaces.Place place = cell == null ? null : TablePlaces.of(pages, page, cell.story(), cell.path());
        // What is kept free at the left of a cell is at its right too.
        if (place != null && cell.right() < place.edges().length) return place.edges()[cell.right()] - (left - place.edges()[cell.left()]);
        Section.PageGeometry geometry = pages.geometry(page);
        Section section = pages.document().sections().get(head.path().step(0) < pages.document().sections().size() ? head.path().step(0) : 0);
        for (double[] column : section.columns().within(geometry.textWidth()))
            if (Math.abs(geometry.textLeft() + column[0] - left) < 1) return geometry.textLeft() + column[0] + column[1];
        return 0;
    }

    /** Lets go of what is held, as if nothing had been; whether anything was. */
    boolean letGo() {
        boolean was = held != null;
        held = null;
        ghost.setVisible(false);
        if (was) place();
        return was;
    }
}
