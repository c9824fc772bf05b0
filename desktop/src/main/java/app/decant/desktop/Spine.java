package app.decant.desktop;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.desktop.station.Window;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.takein.FaithSlip;
import app.decant.desktop.work.Desk;
import app.decant.document.BlockPath;
import app.decant.document.Inline;
import app.decant.document.Outline;
import app.decant.document.Place;
import app.decant.edit.Headings;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import java.util.ArrayList;
import java.util.List;
import javafx.animation.Animation;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import javafx.util.Duration;

/**
 * The spine: the whole document as one upright strip, to scale. Headings sit where they fall, page edges are ticks, pictures and tables are small
 * marks, a missing number is a dashed slot, and the part in view is a lit window that can be dragged.
 */
final class Spine {
    private static final double RAIL = 27;
    private static final double TOP = 16;
    private static final double WIDTH = 236;
    private static final double LEAST = 17;
    private static final String PLUM = "#6B2447";
    private static final String DARK_PLUM = "#D08FB0";

    /** From so many pixels on, a press that moves drags the section. */
    private static final double DRAGGED = 6;
    private static final int ALL_LEVELS = 9;
    /** Where drawing it takes longer than this, in nanoseconds, it waits until a hand rests: nobody reads it while he types. */
    private static final long SLOW = 6_000_000;
    private static final Duration LATER = Duration.millis(250);

    private final Window window;
    private final Desk desk;
    private final PageTable table;
    private final Pane pane = new Pane();
    private final Canvas canvas = new Canvas(WIDTH, 100);
    /** The part in view lies under what is drawn, so that scrolling draws nothing anew. */
    private final Rectangle seen = new Rectangle(WIDTH, 10);
    private final Line seenFrom = new Line(0, 0, WIDTH, 0);
    private final Line seenTo = new Line(0, 0, WIDTH, 0);
    private final SpineMarks.Objects objects = new SpineMarks.Objects();
    private final PauseTransition later = new PauseTransition(LATER);
    private long paintedFor;
    private final Tooltip tip = new Tooltip();
    private final List<Row> rows = new ArrayList<>();
    private boolean paintWanted;
    private boolean seenWanted;
    /** All headings and slots, drawn or not, and the one that is drawn as that of the caret. */
    private final List<Row> wanted = new ArrayList<>();
    private int currentDrawn = -1;
    private boolean draggingWindow;
    /** The heading whose section is dragged, once it is; and the one it would come to stand before. */
    private Row pressed;
    private double pressedAt;
    private boolean draggingSection;
    private Row before;
    private int deepest = ALL_LEVELS;
    private final TextField name = new TextField();
    private final ContextMenu menu = new ContextMenu();
    private List<Double> lit = List.of();
    private List<TextSelection> litOf;
    private PagedDocument litOn;

    /** A heading or a slot as drawn: where, and what a click does. */
    private record Row(double y, double height, String title, TextSelection target, Outline.Gap gap) { }

    Spine(Window window) {
        this.desk = window.desk();
        this.table = window.table();
        this.window = window;
        pane.getStyleClass().add("spine");
        pane.setId("spine");
        pane.setPrefWidth(WIDTH);
        pane.setMinWidth(WIDTH);
        pane.setAccessibleRole(AccessibleRole.LIST_VIEW);
        pane.setAccessibleText(Words.of("spine.name"));
        for (Node node : List.of(seen, seenFrom, seenTo)) {
            node.setManaged(false);
            node.setMouseTransparent(true);
        }
        pane.getChildren().addAll(seen, seenFrom, seenTo, canvas);
        later.setOnFinished(event -> paint());
        canvas.heightProperty().bind(pane.heightProperty());
        canvas.heightProperty().addListener((observed, before, now) -> paintSoon());
        desk.pages().addListener((observed, before, now) -> {
            if (paintedFor > SLOW && before != null && now != null && before.count() == now.count()) later.playFromStart();
            else paintSoon();
        });
        desk.selection().addListener((observed, before, now) -> {
            if (current() != currentDrawn) paintSoon();
        });
        desk.faith().addListener((observed, before, now) -> paintSoon());
        table.marks().addListener((observed, before, now) -> paintSoon());
        table.scrolling().addListener((observed, before, now) -> placeSeenSoon());
        table.heightProperty().addListener((observed, before, now) -> placeSeenSoon());
        table.zoomProperty().addListener((observed, before, now) -> placeSeenSoon());
        canvas.setOnMousePressed(this::pressed);
        canvas.setOnMouseDragged(this::dragged);
        canvas.setOnMouseReleased(this::released);
        canvas.setOnContextMenuRequested(this::offer);
        name.setId("spine-name");
        name.setAccessibleText(Words.of("spine.rename"));
        name.setVisible(false);
        name.setPrefWidth(WIDTH - 48);
        name.setLayoutX(40);
        pane.getChildren().add(name);
        name.focusedProperty().addListener((observed, was, now) -> {
            if (!now) name.setVisible(false);
        });
        menu.setId("spine-menu");
        menu.getStyleClass().add("pointer-menu");
        canvas.setOnMouseMoved(event -> {
            Row row = rowAt(event.getY());
            boolean cut = row != null && row.title.length() > 30;
            tip.setText(cut ? row.title : "");
            if (cut) Tooltip.install(canvas, tip);
            else Tooltip.uninstall(canvas, tip);
        });
    }

    Node node() { return pane; }

    /** Where a heading is drawn, for clicks made by programs; -1 where it is not. */
    double rowY(String title) {
        for (Row row : rows) if (row.title.equals(title)) return row.y;
        return -1;
    }

    List<String> titles() { return rows.stream().map(Row::title).toList(); }

    void paintSoon() {
        if (paintWanted) return;
        paintWanted = true;
        Platform.runLater(() -> {
            paintWanted = false;
            paint();
        });
    }

    private void placeSeenSoon() {
        if (paintWanted || seenWanted) return;
        seenWanted = true;
        Platform.runLater(() -> {
            seenWanted = false;
            placeSeen();
        });
    }

    private void placeSeen() {
        PagedDocument pages = desk.pages().get();
        for (Node node : List.of(seen, seenFrom, seenTo)) node.setVisible(pages != null);
        if (pages == null) return;
        double from = y(table.viewTop(), pages.count());
        double to = Math.max(from + 10, y(table.viewBottom(), pages.count()));
        seen.setY(from);
        seen.setHeight(to - from);
        seenFrom.setTranslateY(Math.round(from) + 0.5);
        seenTo.setTranslateY(Math.round(to) + 0.5);
        seen.setFill(Color.web(dark() ? "#2C2630" : "#FFFFFF"));
        for (Line edge : List.of(seenFrom, seenTo)) edge.setStroke(Color.web(dark() ? DARK_PLUM : PLUM));
    }

    private double y(double pagePart, int count) { return TOP + pagePart / Math.max(1, count) * (canvas.getHeight() - 2 * TOP); }

    private boolean dark() { return pane.getScene() != null && pane.getScene().getRoot().getStyleClass().contains("dark"); }

    private void paint() {
        GraphicsContext g = canvas.getGraphicsContext2D();
        double height = canvas.getHeight();
        g.clearRect(0, 0, WIDTH, height);
        rows.clear();
        wanted.clear();
        later.stop();
        placeSeen();
        PagedDocument pages = desk.pages().get();
        currentDrawn = -1;
        if (pages == null) return;
        long began = System.nanoTime();
        boolean dark = dark();
        Color ink = Color.web(dark ? "#ECE7DF" : "#26222B");
        Color quiet = Color.web(dark ? "#A79FAC" : "#6F6875");
        Color hairline = Color.web(dark ? "#4A434F" : "#D8D0C6");
        Color plum = Color.web(dark ? DARK_PLUM : PLUM);
        Color amber = Color.web(dark ? "#E0A850" : "#B8741A");
        int count = pages.count();
        g.setStroke(hairline);
        g.setLineWidth(1.5);
        g.strokeLine(RAIL, TOP, RAIL, height - TOP);
        ticks(g, count, quiet, hairline);
        SpineMarks marks = new SpineMarks(g, part -> y(part, count), WIDTH);
        marks.objects(pages, objects, quiet);
        headings(g, pages, ink, quiet, plum, amber);
        if (desk.faith().get() != null) marks.differences(pages, desk.faith().get().differences(), amber);
        marks.lit(lit(pages), plum);
        if (draggingSection) dropLine(g, plum);
        paintedFor = System.nanoTime() - began;
    }

    /** Which of the headings the caret is below; -1 for none. */
    private int current() {
        Place here = desk.selection().get() == null ? null : desk.selection().get().head().inBody();
        for (int i = 0; here != null && i < wanted.size(); i++) if (isAt(wanted, i, here)) return i;
        return -1;
    }

    /** Where on the pages, counted from the first, what is lit on them begins: looked for again only where that or they are others. */
    private List<Double> lit(PagedDocument pages) {
        List<TextSelection> now = table.marks().get();
        if (litOn != pages || litOf != now) lit = SpineMarks.places(pages, now);
        litOn = pages;
        litOf = now;
        return lit;
    }

    /** Where what is lit is drawn, for programs that look on. */
    List<Double> lit() { return desk.pages().get() == null ? List.of() : lit(desk.pages().get()); }

    /** Where the section that is dragged would come to stand. */
    private void dropLine(GraphicsContext g, Color plum) {
        double y = before != null ? before.y - LEAST / 2 : rows.get(rows.size() - 1).y + LEAST / 2;
        g.setStroke(plum);
        g.setLineWidth(2);
        g.strokeLine(RAIL + 8, y, WIDTH - 8, y);
        g.setFill(plum);
        g.fillOval(RAIL + 4, y - 4, 8, 8);
    }

    private void ticks(GraphicsContext g, int count, Color quiet, Color hairline) {
        g.setTextBaseline(VPos.CENTER);
        int every = Math.max(1, (int) Math.ceil(count * 18.0 / Math.max(1, canvas.getHeight())));
        g.setFont(Font.font("Source Sans 3", 10.5));
        for (int i = 0; i <= count; i++) {
            double y = Math.round(y(i, count)) + 0.5;
            if (count > 120 && i % every != 0) continue;
            g.setStroke(hairline);
            g.setLineWidth(1);
            g.strokeLine(RAIL - 6, y, RAIL + 6, y);
            if (i < count && i % every == 0) {
                g.setFill(quiet);
                String label = Integer.toString(i + 1);
                g.fillText(label, 18 - 5.4 * label.length(), y + 7);
            }
        }
    }

    private void headings(GraphicsContext g, PagedDocument pages, Color ink, Color quiet, Color plum, Color amber) {
        List<Integer> levels = new ArrayList<>();
        List<Outline.Heading> headings = pages.outline().headings();
        for (int i = 0; i < headings.size(); i++) {
            Outline.Heading heading = headings.get(i);
            Place place = new Place(heading.path(), 0);
            PagedDocument.Spot spot = pages.spot(place);
            if (spot == null || heading.level() > deepest) continue;
            double y = y(spot.page() + spot.line().y() / pages.page(spot.page()).height(), pages.count());
            wanted.add(new Row(y, LEAST, heading.title(), TextSelection.caret(place), null));
            levels.add(heading.level());
            for (Outline.Gap gap : pages.outline().gaps()) {
                if (gap.after() != i) continue;
                wanted.add(new Row(y + 6, LEAST, Words.of(gap.candidate() == null ? "spine.missing" : "spine.missing.find", gap.number()),
                        gap.candidate() == null ? null : TextSelection.caret(new Place(gap.candidate(), 0)), gap));
                levels.add(heading.level());
            }
        }
        currentDrawn = current();
        double bottom = -LEAST;
        for (int i = 0; i < wanted.size(); i++) {
            Row row = wanted.get(i);
            int level = levels.get(i);
            double y = row.y;
            if (y < bottom) {
                boolean fits = level == 1 && bottom + LEAST < canvas.getHeight();
                if (!fits && row.gap == null && (level > 1 && wanted.size() > 40 || bottom + LEAST > canvas.getHeight())) {
                    dot(g, row.y, level, plum, quiet);
                    continue;
                }
                y = bottom;
            }
            dot(g, row.y, level, plum, quiet);
            double x = 42 + (level - 1) * 14;
            if (row.gap != null) {
                g.setStroke(amber);
                g.setLineDashes(3, 2);
                g.strokeRoundRect(x + 0.5, y - 8.5, 150, 17, 6, 6);
                g.setLineDashes();
                g.setFill(amber);
                g.setFont(Font.font("Source Sans 3", 12.5));
                g.fillText(row.title, x + 7, y);
            } else {
                boolean current = i == currentDrawn;
                g.setFill(current ? plum : level == 1 ? ink : quiet);
                g.setFont(Font.font(level == 1 || current ? "Source Sans 3 SemiBold" : "Source Sans 3", level == 1 ? 13 : 12.5));
                g.fillText(shortened(row.title, WIDTH - x - 26, g.getFont()), x, y);
            }
            rows.add(new Row(y, LEAST, row.title, row.target, row.gap));
            bottom = y + LEAST;
        }
    }

    /** Whether the caret is in the part of the document that this row heads. */
    private static boolean isAt(List<Row> rows, int index, Place here) {
        Row row = rows.get(index);
        if (row.target == null || row.target.head().path().compareTo(here.path()) > 0) return false;
        for (int i = index + 1; i < rows.size(); i++) {
            if (rows.get(i).gap != null) continue;
            return rows.get(i).target.head().path().compareTo(here.path()) > 0;
        }
        return true;
    }

    private static void dot(GraphicsContext g, double y, int level, Color plum, Color quiet) {
        if (level == 1) {
            g.setFill(plum);
            g.fillRect(RAIL - 3.5, y - 3.5, 7, 7);
        } else {
            g.setFill(quiet);
            g.fillOval(RAIL - 2.5, y - 2.5, 5, 5);
        }
    }

    private static String shortened(String title, double width, Font font) {
        Text measure = new Text(title);
        measure.setFont(font);
        if (measure.getLayoutBounds().getWidth() <= width) return title;
        int end = title.length();
        while (end > 4) {
            end -= Math.max(1, end / 12);
            measure.setText(title.substring(0, end).trim() + "\u2026");
            if (measure.getLayoutBounds().getWidth() <= width) break;
        }
        return measure.getText();
    }

    private Row rowAt(double y) {
        for (Row row : rows) if (Math.abs(row.y - y) <= row.height / 2) return row;
        return null;
    }

    private void pressed(MouseEvent event) {
        PagedDocument pages = desk.pages().get();
        if (pages == null) return;
        // What is clicked is what is there now.
        if (later.getStatus() == Animation.Status.RUNNING) paint();
        Row row = event.getX() > RAIL + 8 ? rowAt(event.getY()) : null;
        draggingWindow = row == null;
        pressed = row != null && row.gap == null && window.station() == Station.REVISE ? row : null;
        pressedAt = event.getY();
        draggingSection = false;
        if (event.isSecondaryButtonDown()) return;
        if (pressed != null && event.getClickCount() == 2) {
            rename(pressed);
            return;
        }
        if (row != null && row.target != null) {
            table.pick(row.target, true);
            PagedDocument.Caret caret = pages.caret(row.target.head());
            if (caret != null) table.scrollTo(caret.page() + Math.max(0, caret.top() - 30) / pages.page(caret.page()).height());
            if (row.gap != null) FaithSlip.makeHeading(desk, pages.outline().headings().get(row.gap.after()), row.gap);
        } else if (row == null) {
            jump(event.getY(), pages);
        }
    }

    private void dragged(MouseEvent event) {
        PagedDocument pages = desk.pages().get();
        if (draggingWindow && pages != null) jump(event.getY(), pages);
        if (pressed == null || !draggingSection && Math.abs(event.getY() - pressedAt) < DRAGGED || !desk.isLaidOut()) return;
        Row under = rows.stream().filter(row -> row.gap == null && row.y > event.getY()).findFirst().orElse(null);
        draggingSection = canPlace(under);
        before = under;
        canvas.setCursor(draggingSection ? Cursor.MOVE : Cursor.DEFAULT);
        paintSoon();
    }

    private boolean canPlace(Row under) { return Headings.canPlace(desk.document(), path(pressed), under == null ? null : path(under)); }

    private static BlockPath path(Row row) { return row.target.head().path(); }

    private void released(MouseEvent event) {
        canvas.setCursor(Cursor.DEFAULT);
        if (!draggingSection) return;
        draggingSection = false;
        Row dragged = pressed;
        BlockPath target = before == null ? null : path(before);
        desk.inOrder(() -> {
            if (Headings.canPlace(desk.document(), path(dragged), target))
                desk.apply(Headings.place(desk.document(), desk.selection().get(), path(dragged), target));
        });
        paintSoon();
    }

    /** What can be done to the section whose heading is at the pointer. */
    private void offer(ContextMenuEvent event) {
        Row row = event.getX() > RAIL + 8 ? rowAt(event.getY()) : null;
        if (row == null || row.gap != null || window.station() != Station.REVISE) return;
        table.pick(row.target, true);
        menu.getItems().clear();
        MenuItem rename = new MenuItem(Words.of("spine.rename"));
        rename.setId("spine-menu-rename");
        rename.setOnAction(chosen -> rename(row));
        menu.getItems().add(rename);
        for (String key : List.of("section.pick", "heading.raise", "heading.lower", "section.up", "section.down", "spine.fold"))
            window.commands().applying().stream().filter(command -> command.key().equals(key)).findFirst().ifPresent(command -> {
                MenuItem item = new MenuItem(command.words());
                item.setId("spine-menu-" + key);
                item.setOnAction(chosen -> command.run());
                menu.getItems().add(item);
            });
        menu.show(canvas, event.getScreenX(), event.getScreenY());
        event.consume();
    }

    /** Writes a heading's words where it stands in the spine: Enter takes them, Esc leaves it as it was. */
    private void rename(Row row) {
        if (!desk.isLaidOut()) return;
        BlockPath path = path(row);
        name.setText(desk.document().paragraph(path).text().replace(String.valueOf(Inline.OBJECT), ""));
        boolean plain = name.getText().equals(desk.document().paragraph(path).text());
        if (!plain) return;
        name.setLayoutY(Math.max(0, row.y - 15));
        name.setVisible(true);
        name.requestFocus();
        name.selectAll();
        name.setOnKeyPressed(event -> {
            if (event.getCode() != KeyCode.ENTER && event.getCode() != KeyCode.ESCAPE) return;
            event.consume();
            String words = name.getText().strip();
            name.setVisible(false);
            table.requestFocus();
            if (event.getCode() == KeyCode.ENTER && !words.isEmpty())
                desk.inOrder(() -> desk.apply(Headings.rename(desk.document(), desk.selection().get(), path, words)));
        });
    }

    /** Shows the chapters alone, or all headings again. */
    void fold() {
        deepest = deepest == ALL_LEVELS ? 1 : ALL_LEVELS;
        paintSoon();
    }

    private void jump(double y, PagedDocument pages) {
        double share = (y - TOP) / Math.max(1, canvas.getHeight() - 2 * TOP);
        double seen = table.viewBottom() - table.viewTop();
        table.scrollTo(Math.max(0, share * pages.count() - seen / 2));
    }
}
