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
import java.util.List;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** The table: the pages of the open document, exactly as they will be published, with the caret on them and what is picked. */
public final class PageTable extends PageView {
    private final Desk desk;
    private final Caret caret;
    private final Lights lights;
    private final TableKeys keys;
    private final Composition composition;
    private final PointerMenu menu;
    private final TableMouse mouse;
    private final FieldPen pen;
    private final IndentMarks indents;
    private final ReadOnlyObjectWrapper<List<TextSelection>> marks = new ReadOnlyObjectWrapper<>(List.of());
    private boolean revealing;
    private int near;

    public PageTable(Desk desk) {
        super("table", Words.of("table.name"));
        this.desk = desk;
        lights = new Lights(desk);
        setFocusTraversable(true);
        caret = new Caret();
        keys = new TableKeys(desk, this);
        setOnKeyPressed(keys::pressed);
        setOnKeyTyped(keys::typed);
        composition = new Composition(this, keys::take);
        setInputMethodRequests(composition);
        setOnInputMethodTextChanged(composition::changed);
        pen = new FieldPen(desk, this);
        indents = new IndentMarks(desk, this);
        mouse = new TableMouse(desk, this);
        setOnMousePressed(mouse::pressed);
        setOnMouseDragged(mouse::dragged);
        setOnMouseReleased(mouse::released);
        setOnMouseMoved(mouse::moved);
        menu = new PointerMenu(desk, this);
        setOnContextMenuRequested(event -> menu.atPointer(event, keys.commands()));
        desk.pages().addListener((observed, before, now) -> {
            show(now == null ? List.of() : now.pages(), desk.session() == null ? null : desk.session().ground());
            if (revealing) reveal();
        });
        desk.source().addListener((observed, before, now) -> {
            pen.leave(false);
            begin();
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
    /** Shows what others changed and remarked: bars beside the one, a tint under the other. */
    public void review(List<Reviewing.Passage> found) {
        if (lights.review(found)) requestLayout();
    }

    /** What is lit up. */
    public ReadOnlyObjectProperty<List<TextSelection>> marks() { return marks.getReadOnlyProperty(); }

    /** Passages lit up, such as those that were found. */
    public void mark(List<TextSelection> spans) {
        lights.mark(spans);
        marks.set(spans);
        requestLayout();
    }

    @Override protected void dress(PageSheet sheet, Page page) {
        // Until the pages follow, what is picked is shown as it was.
        if (!desk.isLaidOut()) return;
        List<PageSheet.Light> lit = lights.on(desk.pages().get(), page);
        for (FieldPen.At at : pen.on(page)) {
            FileField.Place place = at.place();
            lit.add(new PageSheet.Light(PageSheet.Light.Kind.FILLABLE, place.left(), place.top(), place.width(), place.height()));
        }
        sheet.light(lit, scale());
    }

    @Override protected void placed() {
        pen.place();
        if (desk.isLaidOut()) placeCaret(desk.pages().get());
        indents.place();
    }

    private void placeCaret(PagedDocument pages) {
        TextSelection span = desk.selection().get();
        PagedDocument.Caret place = span == null || !Lights.fits(pages, span) ? null : pages.caret(span.head(), near);
        PageSheet sheet = place == null ? null : sheets().get(place.page());
        if (sheet == null || !isFocused()) {
            caret.hide();
            composition.hide();
            return;
        }
        composition.place(sheet, place.x() * scale(), place.top() * scale(), place.height() * scale());
        caret.place(sheet, place.x() * scale(), place.top() * scale(), place.height() * scale(), place.turn());
    }

    /** The page that headers and footers are written on: the one that was clicked, else the one in view. */
    public int near() { return near; }

    void standNear(double y) { near = pageUnder(y); }

    /** Picks a passage and, where it is out of view, brings it in. */
    public void pick(TextSelection span, boolean reveal) {
        near = pageInView().get();
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
        double top = pageY(place.page()) + place.top() * scale();
        reveal(top, top + place.height() * scale());
    }

    /** Puts the caret at a point of this node. */
    public void pickAt(double x, double y) {
        Place place = placeAt(x, y);
        if (place != null) desk.pick(TextSelection.caret(place));
    }

    /** The picture under a point of this node as what would be picked, or null. */
    TextSelection pictureAt(double x, double y) {
        PagedDocument pages = desk.pages().get();
        if (pages == null || !hasPages()) return null;
        int number = pageUnder(y);
        Page page = pages.page(number);
        double left = (x - pageX(page)) / scale();
        double top = (y - pageY(number)) / scale();
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
        for (int number : sheets().keySet()) {
            if (number >= pages.count()) continue;
            List<double[]> frames = lights.framed(pages.page(number));
            if (frames.isEmpty()) continue;
            double[] one = frames.get(0);
            double x = pageX(pages.page(number)) + one[0] * scale();
            double y = pageY(number) + one[1] * scale();
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
        if (pages == null || !hasPages()) return null;
        int number = pageUnder(y);
        Page page = pages.page(number);
        return pen.at(page, (x - pageX(page)) / scale(), (y - pageY(number)) / scale());
    }

    /** Where something of a page is on this node, in pixels: x, y, width, height. */
    public double[] frameOf(int page, FileField.Place place) {
        double x = pageX(desk.pages().get().page(page)) + place.left() * scale();
        return new double[] {x, pageY(page) + place.top() * scale(), place.width() * scale(), place.height() * scale()};
    }

    /** Brings a place so far down a page into view, where it is not. */
    void show(int page, double top) {
        double y = pageY(page) + top * scale();
        if (y < 40 || y > getHeight() - 80) scroll(y - getHeight() * 0.3);
        layout();
    }

    /** Lets go of what the mouse holds, as if nothing had been; whether it held anything. */
    boolean letGo() { return mouse.letGo() || indents.letGo(); }

    private static boolean isOn(double x, double y, Picture picture) { return x >= 0 && y >= 0 && x <= picture.width() && y <= picture.height(); }

    /** The place under a point of this node, or null. */
    Place placeAt(double x, double y) { return placeAt(x, y, null); }

    /** The place of a story, or of any where that is null, under a point of this node; null where there is none. */
    Place placeAt(double x, double y, Story story) {
        PagedDocument pages = desk.pages().get();
        if (pages == null || !hasPages()) return null;
        int page = pageUnder(y);
        Page one = pages.page(page);
        double left = (x - pageX(one)) / scale();
        double top = (y - pageY(page)) / scale();
        return story == null ? pages.placeAt(page, left, top) : pages.placeAt(page, left, top, story);
    }

    /** Where the caret is on this node, in pixels, or null: its middle. */
    double[] caretPoint() { return desk.selection().get() == null ? null : caretPoint(desk.selection().get().head()); }

    public double[] caretPoint(Place place) {
        PagedDocument pages = desk.pages().get();
        PagedDocument.Caret found = pages == null ? null : pages.caret(place, near);
        if (found == null) return null;
        Page page = pages.page(found.page());
        return new double[] {pageX(page) + found.x() * scale(), pageY(found.page()) + (found.top() + found.height() / 2) * scale()};
    }
}
