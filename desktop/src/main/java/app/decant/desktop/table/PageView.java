package app.decant.desktop.table;

import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyIntegerProperty;
import javafx.beans.property.ReadOnlyIntegerWrapper;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * Pages one under another, to be scrolled and made larger: those that are laid out and those of a file as it came. Only pages in view have nodes, and only
 * what is in view of them is painted. Lengths here are pixels; a point is {@code 4/3 · zoom} pixels.
 */
public class PageView extends Region {
    private static final double GAP = 24;
    private static final double INCH = 96 / 72.0;
    private static final double BAR = 12;
    private static final double USUAL = 1.1;

    private final Pane canvas = new Pane();
    private final ScrollBar down = new ScrollBar();
    private final ScrollBar across = new ScrollBar();
    private final TilePainter painter = new TilePainter();
    private final Map<Integer, PageSheet> sheets = new HashMap<>();
    private final DoubleProperty zoom = new SimpleDoubleProperty(USUAL);
    private final ReadOnlyIntegerWrapper inView = new ReadOnlyIntegerWrapper();
    private List<Page> pages = List.of();
    private GroundPainter ground;
    private double[] tops = {GAP};
    private double contentHeight;
    private double contentWidth;
    private boolean fitted = true;
    private PageView lead;
    private boolean keepsUp;

    protected PageView(String id, String accessible) {
        getStyleClass().add("table");
        setId(id);
        setAccessibleText(accessible);
        down.setOrientation(Orientation.VERTICAL);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        getChildren().addAll(canvas, down, across);
        addEventHandler(ScrollEvent.SCROLL, this::scrolled);
        down.valueProperty().addListener((observed, before, now) -> requestLayout());
        across.valueProperty().addListener((observed, before, now) -> requestLayout());
        zoom.addListener((observed, before, now) -> {
            measure();
            requestLayout();
        });
    }

    /**
     * Shows other pages; what is in view stays where it is.
     *
     * @param painter of pages that are a file's own, or null
     */
    protected final void show(List<Page> wanted, GroundPainter painter) {
        pages = wanted;
        ground = painter;
        measure();
        // Until they have their places, whoever asks for the page in view is told of one that is there.
        if (inView.get() >= pages.size()) inView.set(Math.max(0, pages.size() - 1));
        requestLayout();
    }

    /** Begins again at the top, as wide as the view is: what comes is another document. */
    protected final void begin() {
        fitted = true;
        down.setValue(0);
    }

    /** Goes wherever another view goes, and grows with it, page beside page, as long as it {@link #keepUp keeps up}. */
    protected final void follow(PageView other) {
        lead = other;
        other.scrolling().addListener(observed -> requestLayout());
        other.zoom.addListener(observed -> requestLayout());
    }

    /** Whether it goes where the other view goes; else by itself. */
    public final void keepUp(boolean wanted) {
        if (keepsUp == wanted) return;
        keepsUp = wanted;
        requestLayout();
    }

    /** Lays on a page in view what stands there besides what it shows itself. */
    protected void dress(PageSheet sheet, Page page) { }

    /** Called once all pages in view have their places. */
    protected void placed() { }

    protected final List<Page> pages() { return pages; }
    public final boolean hasPages() { return !pages.isEmpty(); }
    public final DoubleProperty zoomProperty() { return zoom; }
    public final ReadOnlyIntegerProperty pageInView() { return inView.getReadOnlyProperty(); }
    public final double scale() { return zoom.get() * INCH; }
    public final ReadOnlyDoubleProperty scrolling() { return down.valueProperty(); }
    /** The pages that have nodes at present, by their numbers. */
    protected final Map<Integer, PageSheet> sheets() { return sheets; }

    /** A new document is shown as wide as the view is, until somebody chooses a zoom. */
    private void fit() {
        if (!fitted || pages.isEmpty() || getWidth() < 100) return;
        double widest = pages.stream().limit(20).mapToDouble(Page::width).max().orElse(595);
        double wanted = Math.max(0.3, Math.min(USUAL, (getWidth() - BAR - 2 * GAP) / (widest * INCH)));
        if (Math.abs(wanted - zoom.get()) > 0.002) rescale(wanted, 0);
    }

    public final void zoom(double wanted) {
        fitted = false;
        rescale(Math.max(0.2, Math.min(6, wanted)), getHeight() / 2);
    }

    public final void zoomBy(double factor) { zoom(zoom.get() * factor); }

    /** Another scale; what stands so far below the view's upper edge stays there. */
    private void rescale(double wanted, double below) {
        double at = down.getValue() + below;
        int page = pageAt(at);
        double onPage = pages.isEmpty() ? 0 : (at - tops[page]) / scale();
        zoom.set(wanted);
        measure();
        if (!pages.isEmpty()) down.setValue(clamp(tops[page] + onPage * scale() - below, down));
    }

    private void measure() {
        int count = pages.size();
        tops = new double[count + 1];
        double y = GAP;
        contentWidth = 0;
        for (int i = 0; i < count; i++) {
            tops[i] = y;
            y += pages.get(i).height() * scale() + GAP;
            contentWidth = Math.max(contentWidth, pages.get(i).width() * scale() + 2 * GAP);
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
        down.setVisible(!isLed() && contentHeight > height);
        across.setMax(Math.max(0, contentWidth - width));
        across.setVisibleAmount(contentWidth <= 0 ? 1 : across.getMax() * Math.min(1, width / contentWidth));
        across.setVisible(contentWidth > width);
        if (down.getValue() > down.getMax()) down.setValue(down.getMax());
        if (across.getValue() > across.getMax()) across.setValue(across.getMax());
    }

    private boolean isLed() { return keepsUp && lead.hasPages(); }

    /** To the place and the size of the view it follows. */
    private void catchUp() {
        if (pages.isEmpty()) return;
        zoom.set(lead.zoom.get());
        double above = lead.aboveFirst();
        down.setValue(clamp(above > 0 ? GAP - above : yOf(lead.viewTop()), down));
    }

    @Override protected void layoutChildren() {
        if (isLed()) catchUp();
        else fit();
        bars();
        down.resizeRelocate(getWidth() - BAR, 0, BAR, getHeight());
        across.resizeRelocate(0, getHeight() - BAR, getWidth() - BAR, BAR);
        canvas.resizeRelocate(0, 0, getWidth(), getHeight());
        if (pages.isEmpty()) {
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
        for (int i = first; i <= last; i++) {
            PageSheet sheet = sheets.computeIfAbsent(i, index -> {
                PageSheet made = new PageSheet(painter);
                canvas.getChildren().add(made);
                return made;
            });
            Page page = pages.get(i);
            double y = tops[i] - down.getValue();
            sheet.setLayoutX(Math.round(pageX(page)));
            sheet.setLayoutY(Math.round(y));
            sheet.show(page, ground, scale(), outputScale(), -y, getHeight() - y);
            dress(sheet, page);
        }
        placed();
        inView.set(Math.min(pages.size() - 1, pageAt(down.getValue() + getHeight() * 0.4)));
    }

    private double outputScale() { return getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getOutputScaleX(); }

    /** How far the left edge of a page is from that of this node. */
    protected final double pageX(Page page) {
        double width = page.width() * scale();
        return contentWidth > getWidth() ? GAP + (contentWidth - 2 * GAP - width) / 2 - across.getValue() : (getWidth() - BAR - width) / 2;
    }

    /** How far the upper edge of a page is from that of this node. */
    protected final double pageY(int page) { return tops[page] - down.getValue(); }

    /** The page at a height of this node, or the last one above it. */
    protected final int pageUnder(double y) { return pageAt(y + down.getValue()); }

    private int pageAt(double y) {
        int found = Arrays.binarySearch(tops, y);
        // Before the first top the first page is meant, after the last the last one.
        return Math.max(0, Math.min(pages.size() - 1, found >= 0 ? found : -found - 2));
    }

    private void scrolled(ScrollEvent event) {
        PageView moved = isLed() ? lead : this;
        if (event.isControlDown()) moved.zoomBy(event.getDeltaY() > 0 ? 1.08 : 1 / 1.08);
        else if (event.isShiftDown() && across.isVisible()) across.setValue(clamp(across.getValue() - event.getDeltaX() - event.getDeltaY(), across));
        else moved.scroll(-event.getDeltaY());
        event.consume();
    }

    protected final void scroll(double by) { down.setValue(clamp(down.getValue() + by, down)); }

    private static double clamp(double value, ScrollBar bar) { return Math.max(0, Math.min(bar.getMax(), value)); }

    /** How many pixels are seen above the first page. */
    private double aboveFirst() { return Math.max(0, GAP - down.getValue()); }

    /** How much of the pages is seen above: in pages and parts of one. */
    public final double viewTop() { return part(down.getValue()); }

    public final double viewBottom() { return part(down.getValue() + getHeight()); }

    private double part(double y) {
        if (pages.isEmpty()) return 0;
        int page = pageAt(y);
        double share = (y - tops[page]) / Math.max(1, tops[page + 1] - tops[page]);
        return page + Math.max(0, Math.min(1, share));
    }

    private double yOf(double pagePart) {
        int page = Math.max(0, Math.min(pages.size() - 1, (int) pagePart));
        return tops[page] + (pagePart - page) * (tops[page + 1] - tops[page]);
    }

    /** Brings a place into view: the page, and how much of it is above (0 to 1). */
    public final void scrollTo(double pagePart) {
        if (!pages.isEmpty()) down.setValue(clamp(yOf(pagePart) - GAP, down));
    }

    /** Brings what stands between two heights of this node into view, where it is not: from above or from below. */
    protected final void reveal(double top, double bottom) {
        if (top < 40) scroll(top - getHeight() * 0.25);
        else if (bottom > getHeight() - 40) scroll(bottom - getHeight() * 0.7);
    }

    /** Puts something over the pages, or takes it away. */
    protected final void over(Node node, boolean wanted) {
        if (wanted && node.getParent() == null) canvas.getChildren().add(node);
        else if (!wanted) canvas.getChildren().remove(node);
    }

    /** Ends the painting. */
    public void close() { painter.close(); }
}
