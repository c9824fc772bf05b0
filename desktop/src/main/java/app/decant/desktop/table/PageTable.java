package app.decant.desktop.table;

import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.edit.Pictures;
import app.decant.edit.Reviewing;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Passage;
import app.decant.page.Piece;
import app.decant.pdf.form.FileField;
import app.decant.pdf.keep.GroundPainter;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * The table: the pages one under another, exactly as they will be published. Only pages in view have nodes. Lengths here are pixels; a point is
 * {@code 4/3 · zoom} pixels.
 */
public final class PageTable extends Region {
    private static final double GAP = 24;
    private static final double INCH = 96 / 72.0;

    private final Desk desk;
    private final Pane canvas = new Pane();
    private final ScrollBar down = new ScrollBar();
    private final ScrollBar across = new ScrollBar();
    private final TilePainter painter = new TilePainter();
    private final Map<Integer, PageSheet> sheets = new HashMap<>();
    private final DoubleProperty zoom = new SimpleDoubleProperty(1.1);
    private final IntegerProperty inView = new SimpleIntegerProperty();
    private final Caret caret;
    private final Lights lights;
    private double[] tops = new double[0];
    private double contentHeight;
    private double contentWidth;
    private final TableKeys keys;
    private final PointerMenu menu;
    private final TableMouse mouse;
    private final FieldPen pen;
    private boolean revealing;
    private int near;
    private boolean fitted = true;

    public PageTable(Desk desk) {
        this.desk = desk;
        lights = new Lights(desk);
        getStyleClass().add("table");
        setId("table");
        setFocusTraversable(true);
        setAccessibleText(Words.of("table.name"));
        down.setOrientation(Orientation.VERTICAL);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        getChildren().addAll(canvas, down, across);
        caret = new Caret();
        keys = new TableKeys(desk, this);
        setOnKeyPressed(keys::pressed);
        setOnKeyTyped(keys::typed);
        pen = new FieldPen(desk, this);
        mouse = new TableMouse(desk, this);
        setOnMousePressed(mouse::pressed);
        setOnMouseDragged(mouse::dragged);
        setOnMouseReleased(mouse::released);
        setOnMouseMoved(mouse::moved);
        menu = new PointerMenu(desk, this);
        setOnContextMenuRequested(event -> menu.atPointer(event, keys.commands()));
        addEventHandler(ScrollEvent.SCROLL, this::scrolled);
        down.valueProperty().addListener((observed, before, now) -> requestLayout());
        across.valueProperty().addListener((observed, before, now) -> requestLayout());
        zoom.addListener((observed, before, now) -> {
            measure();
            requestLayout();
        });
        desk.pages().addListener((observed, before, now) -> {
            measure();
            requestLayout();
            if (revealing) reveal();
        });
        desk.source().addListener((observed, before, now) -> {
            pen.leave(false);
            fitted = true;
            down.setValue(0);
        });
        desk.selection().addListener((observed, before, now) -> requestLayout());
        desk.words().slips().addListener((observed, before, now) -> requestLayout());
        focusedProperty().addListener((observed, before, now) -> {
            caret.shown(now);
            requestLayout();
        });
    }

    /** The menu at the caret, for whoever works with keys alone. */
    void menuAtCaret() { menu.atCaret(keys.commands()); }

    public TableKeys keys() { return keys; }
    public boolean hasPages() { return desk.pages().get() != null && tops.length > 1; }
    /** How many pixels of the table are seen above the first page. */
    public double aboveFirst() { return Math.max(0, GAP - down.getValue()); }
    public DoubleProperty zoomProperty() { return zoom; }
    public IntegerProperty pageInView() { return inView; }
    public double scale() { return zoom.get() * INCH; }

    /** A new document is shown as wide as the table is, until somebody chooses a zoom. */
    private void fit() {
        PagedDocument pages = desk.pages().get();
        if (!fitted || pages == null || getWidth() < 100) return;
        double widest = pages.pages().stream().limit(20).mapToDouble(Page::width).max().orElse(595);
        double wanted = Math.max(0.3, Math.min(1.1, (getWidth() - 12 - 2 * GAP) / (widest * INCH)));
        if (Math.abs(wanted - zoom.get()) > 0.002) rescale(wanted, 0);
    }

    public void zoom(double wanted) {
        fitted = false;
        rescale(Math.max(0.2, Math.min(6, wanted)), getHeight() / 2);
    }

    /** Another scale; what stands so far below the view's upper edge stays there. */
    private void rescale(double wanted, double below) {
        double at = down.getValue() + below;
        int page = pageAt(at);
        double onPage = tops.length < 2 ? 0 : (at - tops[page]) / scale();
        zoom.set(wanted);
        measure();
        if (tops.length > 1) down.setValue(clamp(tops[page] + onPage * scale() - below, down));
    }

    public void zoomBy(double factor) { zoom(zoom.get() * factor); }

    /** Shows what others changed and remarked: bars beside the one, a tint under the other. */
    public void review(List<Reviewing.Passage> found) {
        if (lights.review(found)) requestLayout();
    }

    /** Passages lit up, such as those that were found. */
    public void mark(List<TextSelection> spans) {
        lights.mark(spans);
        requestLayout();
    }

    private void measure() {
        PagedDocument pages = desk.pages().get();
        int count = pages == null ? 0 : pages.count();
        tops = new double[count + 1];
        double y = GAP;
        contentWidth = 0;
        for (int i = 0; i < count; i++) {
            tops[i] = y;
            y += pages.page(i).height() * scale() + GAP;
            contentWidth = Math.max(contentWidth, pages.page(i).width() * scale() + 2 * GAP);
        }
        tops[count] = y;
        contentHeight = y;
        bars();
    }

    private void bars() {
        double height = getHeight();
        double width = getWidth();
        down.setMax(Math.max(0, contentHeight - height));
        down.setVisibleAmount(contentHeight <= 0 ? 1 : down.getMax() * Math.min(1, height / contentHeight));
        down.setUnitIncrement(60);
        down.setBlockIncrement(height * 0.9);
        down.setVisible(contentHeight > height);
        across.setMax(Math.max(0, contentWidth - width));
        across.setVisibleAmount(contentWidth <= 0 ? 1 : across.getMax() * Math.min(1, width / contentWidth));
        across.setVisible(contentWidth > width);
        if (down.getValue() > down.getMax()) down.setValue(down.getMax());
        if (across.getValue() > across.getMax()) across.setValue(across.getMax());
    }

    @Override protected void layoutChildren() {
        fit();
        bars();
        double bar = 12;
        down.resizeRelocate(getWidth() - bar, 0, bar, getHeight());
        across.resizeRelocate(0, getHeight() - bar, getWidth() - bar, bar);
        canvas.resizeRelocate(0, 0, getWidth(), getHeight());
        PagedDocument pages = desk.pages().get();
        if (pages == null || tops.length != pages.count() + 1) {
            canvas.getChildren().clear();
            sheets.clear();
            return;
        }
        int first = pageAt(down.getValue());
        int last = pageAt(down.getValue() + getHeight());
        sheets.entrySet().removeIf(entry -> {
            boolean gone = entry.getKey() < first || entry.getKey() > last;
            if (gone) canvas.getChildren().remove(entry.getValue());
            return gone;
        });
        GroundPainter ground = desk.session().ground();
        for (int i = first; i <= last && i < pages.count(); i++) {
            PageSheet sheet = sheets.computeIfAbsent(i, index -> {
                PageSheet made = new PageSheet(painter);
                canvas.getChildren().add(made);
                return made;
            });
            Page page = pages.page(i);
            double x = pageX(page);
            double y = tops[i] - down.getValue();
            sheet.setLayoutX(Math.round(x));
            sheet.setLayoutY(Math.round(y));
            sheet.show(page, ground, scale(), outputScale(), -y, getHeight() - y);
            // Until the pages follow, what is picked is shown as it was.
            if (desk.isLaidOut()) {
                lights.on(sheet, pages, page, scale());
                sheet.tint(pen.on(page).stream().map(at -> new double[] {at.place().left(), at.place().top(), at.place().width(), at.place().height()})
                        .toList(), "fillable", scale());
            }
        }
        pen.place();
        int middle = pageAt(down.getValue() + getHeight() * 0.4);
        inView.set(Math.min(pages.count() - 1, middle));
        if (desk.isLaidOut()) placeCaret(pages);
    }

    private double outputScale() { return getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getOutputScaleX(); }

    private double pageX(Page page) {
        double width = page.width() * scale();
        return contentWidth > getWidth() ? GAP + (contentWidth - 2 * GAP - width) / 2 - across.getValue() : (getWidth() - 12 - width) / 2;
    }

    private int pageAt(double y) {
        int count = tops.length - 1;
        for (int i = 0; i < count; i++) if (y < tops[i + 1]) return i;
        return Math.max(0, count - 1);
    }

    private void placeCaret(PagedDocument pages) {
        TextSelection span = desk.selection().get();
        PagedDocument.Caret place = span == null || !Lights.fits(pages, span) ? null : pages.caret(span.head(), near);
        PageSheet sheet = place == null ? null : sheets.get(place.page());
        if (sheet == null || !isFocused()) {
            caret.hide();
            return;
        }
        caret.place(sheet, place.x() * scale(), place.top() * scale(), place.height() * scale());
    }

    private void scrolled(ScrollEvent event) {
        if (event.isControlDown()) zoomBy(event.getDeltaY() > 0 ? 1.08 : 1 / 1.08);
        else if (event.isShiftDown() && across.isVisible()) across.setValue(clamp(across.getValue() - event.getDeltaX() - event.getDeltaY(), across));
        else scroll(-event.getDeltaY());
        event.consume();
    }

    public void scroll(double by) { down.setValue(clamp(down.getValue() + by, down)); }

    private static double clamp(double value, ScrollBar bar) { return Math.max(0, Math.min(bar.getMax(), value)); }

    /** How much of the pages is seen above: in pages and parts of one. */
    public double viewTop() { return part(down.getValue()); }

    public double viewBottom() { return part(down.getValue() + getHeight()); }

    private double part(double y) {
        int page = pageAt(y);
        if (tops.length < 2) return 0;
        double share = (y - tops[page]) / Math.max(1, tops[page + 1] - tops[page]);
        return page + Math.max(0, Math.min(1, share));
    }

    /** Brings a place into view: the page, and how much of it is above (0 to 1). */
    public void scrollTo(double pagePart) {
        if (tops.length < 2) return;
        int page = Math.max(0, Math.min(tops.length - 2, (int) pagePart));
        down.setValue(clamp(tops[page] + (pagePart - page) * (tops[page + 1] - tops[page]) - GAP, down));
    }

    public ReadOnlyDoubleProperty scrolling() { return down.valueProperty(); }

    /** The page that headers and footers are written on: the one that was clicked, else the one in view. */
    public int near() { return near; }

    void standNear(double y) { near = pageAt(y + down.getValue()); }

    /** Picks a passage and, where it is out of view, brings it in. */
    public void pick(TextSelection span, boolean reveal) {
        near = inView.get();
        desk.pick(span);
        if (reveal) reveal();
    }

    /** Brings what is picked into view, as soon as its pages are there. */
    void reveal() {
        revealing = !desk.isLaidOut();
        if (revealing) return;
        PagedDocument pages = desk.pages().get();
        TextSelection span = desk.selection().get();
        if (pages == null || span == null || !Lights.fits(pages, span)) return;
        PagedDocument.Caret place = pages.caret(span.head(), near);
        if (place == null) return;
        double top = tops[place.page()] + place.top() * scale();
        double bottom = top + place.height() * scale();
        if (top < down.getValue() + 40) down.setValue(clamp(top - getHeight() * 0.25, down));
        else if (bottom > down.getValue() + getHeight() - 40) down.setValue(clamp(bottom - getHeight() * 0.7, down));
    }

    /** Puts the caret at a point of this node. */
    public void pickAt(double x, double y) {
        Place place = placeAt(x, y);
        if (place != null) desk.pick(TextSelection.caret(place));
    }

    /** The picture under a point of this node as what would be picked, or null. */
    TextSelection pictureAt(double x, double y) {
        PagedDocument pages = desk.pages().get();
        if (pages == null || tops.length < 2) return null;
        int number = pageAt(y + down.getValue());
        Page page = pages.page(number);
        double left = (x - pageX(page)) / scale();
        double top = (y + down.getValue() - tops[number]) / scale();
        for (Item item : page.items()) {
            boolean floats = item instanceof Item.PictureItem one && isOn(left - one.x(), top - one.y(), one.picture());
            if (floats) return Pictures.find(desk.document(), ((Item.PictureItem) item).picture());
            if (!(item instanceof Item.LineItem line)) continue;
            for (Piece piece : line.line().pieces()) {
                if (piece instanceof Piece.PictureBox box && isOn(left - line.left() - box.x(), top - line.baseline() + box.picture().height(), box.picture()))
                    return Pictures.find(desk.document(), box.picture());
            }
        }
        return null;
    }

    /**
     * The frame of the picture that is picked.
     *
     * @param x    of its left edge on this node, in pixels, as are {@code y}, {@code width} and {@code height}
     * @param left of its page, in points, as is {@code top}
     */
    public record Framed(double x, double y, double width, double height, double left, double top) {
        boolean holds(double px, double py) { return px >= x && py >= y && px <= x + width && py <= y + height; }
    }

    /** The frame of the picture that is picked, if it is in view; null where none is. */
    public Framed framed() {
        PagedDocument pages = desk.pages().get();
        if (pages == null || !desk.isLaidOut() || desk.selection().get() == null) return null;
        for (int number : sheets.keySet()) {
            if (number >= pages.count()) continue;
            List<double[]> frames = lights.framed(pages.page(number));
            if (frames.isEmpty()) continue;
            double[] one = frames.get(0);
            double x = pageX(pages.page(number)) + one[0] * scale();
            double y = tops[number] - down.getValue() + one[1] * scale();
            return new Framed(x, y, one[2] * scale(), one[3] * scale(), one[0], one[1]);
        }
        return null;
    }

    /** The fields of a PDF's own form, filled in where they stand. */
    FieldPen pen() { return pen; }

    /** Whether the file has fields that can be filled in on its pages. */
    public boolean hasFields() { return hasPages() && pen.applies(); }

    /** Goes to the next field that can be filled in. */
    public void fillIn() { pen.first(); }

    /** The field under a point of this node; null for none. */
    FieldPen.At fieldAt(double x, double y) {
        PagedDocument pages = desk.pages().get();
        if (pages == null || tops.length < 2) return null;
        int number = pageAt(y + down.getValue());
        Page page = pages.page(number);
        return pen.at(page, (x - pageX(page)) / scale(), (y + down.getValue() - tops[number]) / scale());
    }

    /** Where something of a page is on this node, in pixels: x, y, width, height. */
    public double[] frameOf(int page, FileField.Place place) {
        double x = pageX(desk.pages().get().page(page)) + place.left() * scale();
        return new double[] {x, tops[page] - down.getValue() + place.top() * scale(), place.width() * scale(), place.height() * scale()};
    }

    /** Brings a place so far down a page into view, where it is not. */
    void show(int page, double top) {
        double y = tops[page] + top * scale();
        if (y < down.getValue() + 40 || y > down.getValue() + getHeight() - 80) down.setValue(clamp(y - getHeight() * 0.3, down));
        layout();
    }

    /** Puts something over the pages, or takes it away. */
    void over(Node node, boolean wanted) {
        if (wanted && node.getParent() == null) canvas.getChildren().add(node);
        else if (!wanted) canvas.getChildren().remove(node);
    }

    /** Lets go of what the mouse holds, as if nothing had been; whether it held anything. */
    boolean letGo() { return mouse.letGo(); }

    private static boolean isOn(double x, double y, Picture picture) { return x >= 0 && y >= 0 && x <= picture.width() && y <= picture.height(); }

    /** The place under a point of this node, or null. */
    Place placeAt(double x, double y) { return placeAt(x, y, null); }

    /** The place of a story, or of any where that is null, under a point of this node; null where there is none. */
    Place placeAt(double x, double y, Story story) {
        PagedDocument pages = desk.pages().get();
        if (pages == null || tops.length < 2) return null;
        double absolute = y + down.getValue();
        int page = pageAt(absolute);
        Page one = pages.page(page);
        double left = (x - pageX(one)) / scale();
        double top = (absolute - tops[page]) / scale();
        return story == null ? pages.placeAt(page, left, top) : pages.placeAt(page, left, top, story);
    }

    /** Where the caret is on this node, in pixels, or null: its middle. */
    public double[] caretPoint(Place place) {
        PagedDocument pages = desk.pages().get();
        PagedDocument.Caret found = pages == null ? null : pages.caret(place, near);
        if (found == null) return null;
        Page page = pages.page(found.page());
        return new double[] {pageX(page) + found.x() * scale(), tops[found.page()] - down.getValue() + (found.top() + found.height() / 2) * scale()};
    }
}
