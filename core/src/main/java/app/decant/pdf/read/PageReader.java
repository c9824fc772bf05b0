package app.decant.pdf.read;

import app.decant.document.DecantException;
import app.decant.document.Link;
import app.decant.document.Progress;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.GeneralPath;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.pdmodel.graphics.PDLineDashPattern;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDTransparencyGroup;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.pdmodel.graphics.state.PDTextState;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.util.Matrix;
import org.apache.pdfbox.util.Vector;
import org.slf4j.LoggerFactory;

/** Reads everything that one page shows (ISO 32000-1, 8 and 9): glyphs with their Unicode text, lines and areas, pictures. Made for one page. */
public final class PageReader extends PDFGraphicsStreamEngine {
    /** No page for people has more; a stream that goes on is broken or hostile. */
    private static final int MOST_OPERATORS = 4_000_000;
    private static final int MOST_FORMS = 20_000;
    private static final int MOST_GLYPHS = 400_000;
    private static final int MOST_SHAPES = 60_000;

    /** Text laid under scans may be stretched to many times its width, which is no measure for the space between words. */
    private static final double WIDEST = 1;
    private final SourceFile source;
    private final PDPage page;
    private final int index;
    private final AffineTransform toPage;
    private final double width;
    private final double height;
    private final Progress progress;
    private final List<Glyph> glyphs = new ArrayList<>();
    private final List<Ink> ink = new ArrayList<>();
    private final List<Placed> pictures = new ArrayList<>();
    private final Set<Message> problems = new LinkedHashSet<>();
    private final Deque<Marked> marks = new ArrayDeque<>();
    private final List<LinkArea> links;
    private final Path2D.Double path = new Path2D.Double();
    private PDColor lastColour;
    private int lastRgb;
    private int clipRule = -1;
    private final ClipBounds clips;
    private State lastState;
    private int order;
    private int operators;
    private int hidden;
    private int forms;
    /** Where each glyph is shown, kept where that is asked for. */
    private List<ShownGlyph> shown;
    /** Where all else is painted, likewise. */
    private final List<Painted> painted = new ArrayList<>();
    private final List<Painted> called = new ArrayList<>();
    private Frame frame = new Frame(List.of());
    /** Of the groups that are being painted, together. */
    private double opacity = 1;
    private int code;

    /** How far a content stream is carried out: the page's own, or that of a form in it. */
    private static final class Frame {
        final List<Integer> path;
        final Deque<Saved> saved = new ArrayDeque<>();
        int operator = -1;
        int depth;

        /** @param path the operators that called it, from the page's down; null for what no page's stream calls */
        Frame(List<Integer> path) { this.path = path; }

        Frame called() {
            if (path == null) return new Frame(null);
            List<Integer> longer = new ArrayList<>(path);
            longer.add(operator);
            return new Frame(List.copyOf(longer));
        }
    }

    /** An area of the page that leads somewhere. */
    record LinkArea(Rectangle2D area, Link link) { }

    /** A marked content sequence: its identifier, and the text it stands for until that is given to its first glyph. */
    private static final class Marked {
        final int tag;
        final boolean hides;
        String actualText;
        final boolean replaces;

        Marked(int tag, boolean hides, String actualText) {
            this.tag = tag;
            this.hides = hides;
            this.actualText = actualText;
            this.replaces = actualText != null;
        }
    }

    /** A page whose text runs up or down is turned so that it can be read. */
    public static SourcePage upright(SourceFile source, int index, Progress progress) {
        SourcePage page = read(source, index, 0, progress, false).page;
        int turn = turn(page);
        return turn == 0 ? page : read(source, index, turn, progress, false).page;
    }

    /** The same, and where in its content stream each glyph is shown and all else is painted, in the order of painting. */
    public static Addressed addressed(SourceFile source, int index, Progress progress) {
        Addressed read = read(source, index, 0, progress, true);
        int turn = turn(read.page);
        return turn == 0 ? read : read(source, index, turn, progress, true);
    }

    /**
     * A page and the addresses of what is on it.
     *
     * @param calls operators that call forms which paint anything
     */
    public record Addressed(SourcePage page, List<ShownGlyph> shown, List<Painted> painted, List<Painted> calls) {
        public Addressed {
            shown = List.copyOf(shown);
            painted = List.copyOf(painted);
            calls = List.copyOf(calls);
        }
    }

    /**
     * An operator that paints something other than glyphs: a path, a picture, a shading.
     *
     * @param path     the operators that call the form it is in, as for a {@link ShownGlyph}
     * @param operator which of its stream
     * @param from     the number of the first mark it makes, in the page's order of painting
     * @param to       the number after its last
     * @param state    the graphics state it paints in
     * @param saved    the states that were saved in its stream and not yet restored, the outermost first
     */
    public record Painted(List<Integer> path, int operator, int from, int to, State state, List<Saved> saved) {
        public Painted { saved = List.copyOf(saved); }
    }

    /**
     * What of the graphics state tells where something comes to stand (ISO 32000-2, 8.4.1).
     *
     * @param place from user space to points from the page's top left corner as it is read
     * @param clip  around what may be painted on, in such points
     */
    public record State(AffineTransform place, Rectangle2D clip) { }

    /** A state that an operator of a stream saves. */
    public record Saved(int operator, State state) { }

    /** How far to turn a page clockwise so that most of its text can be read. */
    private static int turn(SourcePage page) {
        int[] counts = new int[4];
        for (Glyph glyph : page.glyphs()) if (!glyph.isSpace() && glyph.angle() % 90 == 0) counts[glyph.angle() / 90]++;
        int most = 0;
        for (int i = 1; i < 4; i++) if (counts[i] > counts[most]) most = i;
        return most == 0 || counts[most] < 3 * counts[0] ? 0 : 360 - most * 90;
    }

    private static Addressed read(SourceFile source, int index, int turn, Progress progress, boolean addressed) {
        PDPage page = source.pdf().getPage(index);
        PageReader reader = new PageReader(source, page, index, turn, progress);
        reader.shown = addressed ? new ArrayList<>() : null;
        int own = Integer.MAX_VALUE;
        try {
            reader.processPage(page);
            own = reader.order;
            reader.frame = new Frame(null);
            ClipBounds.Mark clip = reader.clips.begin();
            for (PDAnnotation annotation : page.getAnnotations()) {
                if (Set.of("Widget", "FreeText", "Stamp").contains(String.valueOf(annotation.getSubtype())) && !annotation.isHidden()
                        && !annotation.isNoView()) reader.showAnnotation(annotation);
                reader.clips.end(clip);
            }
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told && told.kind() == DecantException.Kind.CANCELLED) throw told;
            LoggerFactory.getLogger(PageReader.class).info("Page {} breaks off", index + 1, e);
            reader.problems.add(Message.of("read.page-is-damaged-what-could-be-read", (index + 1)));
        }
        SourcePage made = new SourcePage(index, reader.width, reader.height, own, turn, reader.glyphs, reader.ink, reader.pictures,
                List.copyOf(reader.problems));
        return new Addressed(made, addressed ? reader.shown : List.of(), reader.painted, reader.called);
    }

    private PageReader(SourceFile source, PDPage page, int index, int turn, Progress progress) {
        super(page);
        this.source = source;
        this.page = page;
        this.index = index;
        this.progress = progress;
        PDRectangle box = page.getCropBox();
        boolean sideways = Math.floorMod(page.getRotation() + turn, 180) == 90;
        double unit = unit(page);
        width = Math.max(1, sideways ? box.getHeight() : box.getWidth()) * unit;
        height = Math.max(1, sideways ? box.getWidth() : box.getHeight()) * unit;
        toPage = toPage(page, turn);
        clips = new ClipBounds(new Rectangle2D.Double(0, 0, width, height));
        links = source.links(page, toPage, problems);
    }

    private static double unit(PDPage page) { return page.getUserUnit() > 0 ? page.getUserUnit() : 1; }

    /**
     * The way from a page's own space (ISO 32000-2, 8.3.2.3) to points from the top left corner of the page as it is read.
     *
     * @param turn how far it is turned clockwise for that, beyond what it says itself
     */
    public static AffineTransform toPage(PDPage page, int turn) {
        PDRectangle box = page.getCropBox();
        double w = Math.max(1, box.getWidth());
        double h = Math.max(1, box.getHeight());
        double x = box.getLowerLeftX();
        double y = box.getLowerLeftY();
        AffineTransform upright = switch (Math.floorMod(page.getRotation() + turn, 360)) {
            case 90 -> new AffineTransform(0, 1, 1, 0, -y, -x);
            case 180 -> new AffineTransform(-1, 0, 0, 1, w + x, -y);
            case 270 -> new AffineTransform(0, -1, -1, 0, h + y, w + x);
            default -> new AffineTransform(1, 0, 0, -1, -x, h + y);
        };
        upright.preConcatenate(AffineTransform.getScaleInstance(unit(page), unit(page)));
        return upright;
    }

    @Override protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
        if (++operators > MOST_OPERATORS) throw new IOException("More than " + MOST_OPERATORS + " operators on one page");
        if (operators % 20_000 == 0) progress.step(index, source.pages(), SourceFile.READING);
        // Some operators are carried out by others, and are none of the stream's own.
        Frame here = frame;
        boolean own = here.depth++ == 0;
        int before = order;
        int glyphsBefore = glyphs.size();
        int paintedBefore = painted.size();
        if (own) {
            here.operator++;
            code = 0;
            if (shown != null && operator.getName().equals("q")) here.saved.addLast(new Saved(here.operator, state()));
            else if (shown != null && operator.getName().equals("Q")) here.saved.pollLast();
        }
        try {
            super.processOperator(operator, operands);
        } finally {
            here.depth--;
        }
        // What a form paints is told by its own operators.
        if (shown == null || here.path == null || !own || order == before) return;
        boolean calls = operator.getName().equals("Do") && (glyphs.size() > glyphsBefore || painted.size() > paintedBefore);
        if (!calls && (glyphs.size() > glyphsBefore || painted.size() > paintedBefore)) return;
        (calls ? called : painted).add(new Painted(here.path, here.operator, before, order, state(), List.copyOf(here.saved)));
    }

    private State state() {
        AffineTransform place = getGraphicsState().getCurrentTransformationMatrix().createAffineTransform();
        place.preConcatenate(toPage);
        Rectangle2D clip = clips.now();
        // Of many letters of a page it is the same.
        if (lastState == null || lastState.clip != clip || !lastState.place.equals(place)) lastState = new State(place, clip);
        return lastState;
    }

    @Override public void showForm(PDFormXObject form) throws IOException {
        if (++forms > MOST_FORMS || getLevel() > 24) throw new IOException("Forms within forms without end");
        Frame before = frame;
        frame = before.called();
        ClipBounds.Mark mark = begin(form);
        try {
            super.showForm(form);
        } finally {
            frame = before;
            clips.end(mark);
        }
    }

    /** A form paints in its box (8.10.2). */
    private ClipBounds.Mark begin(PDFormXObject form) {
        ClipBounds.Mark mark = clips.begin();
        PDRectangle box = form.getBBox();
        Matrix matrix = form.getMatrix().multiply(getGraphicsState().getCurrentTransformationMatrix());
        if (box != null) clips.cut(toPage.createTransformedShape(box.transform(matrix)).getBounds2D());
        return mark;
    }

    @Override public void saveGraphicsState() {
        super.saveGraphicsState();
        clips.save();
    }

    @Override public void restoreGraphicsState() {
        super.restoreGraphicsState();
        clips.restore();
    }

    @Override protected void showType3Glyph(Matrix rendering, PDType3Font font, int code, Vector displacement) throws IOException {
        ClipBounds.Mark mark = clips.begin();
        try {
            super.showType3Glyph(rendering, font, code, displacement);
        } finally {
            clips.end(mark);
        }
    }

    @Override public void showTransparencyGroup(PDTransparencyGroup form) throws IOException {
        Frame before = frame;
        double solid = opacity;
        frame = before.called();
        // A group is painted by itself, and then as a whole as thin as the state says it is called in (ISO 32000-1, 11.6.6).
        opacity *= getGraphicsState().getNonStrokeAlphaConstant();
        ClipBounds.Mark mark = begin(form);
        try {
            super.showTransparencyGroup(form);
        } finally {
            frame = before;
            clips.end(mark);
            opacity = solid;
        }
    }

    @Override protected void showGlyph(Matrix rendering, PDFont font, int code, Vector displacement) throws IOException {
        int place = this.code++;
        if (hidden > 0 || glyphs.size() >= MOST_GLYPHS) return;
        FontReading reading = source.fonts().of(font);
        AffineTransform matrix = new AffineTransform(rendering.createAffineTransform());
        matrix.preConcatenate(toPage);
        double size = Math.hypot(matrix.getShearX(), matrix.getScaleY());
        double across = Math.hypot(matrix.getScaleX(), matrix.getShearY());
        double x = matrix.getTranslateX();
        double baseline = matrix.getTranslateY();
        if (!(size > 0.1) || x < -20 || x > width + 20 || baseline < -20 || baseline > height + 20) return;
        int angle = Math.floorMod((int) Math.round(Math.toDegrees(Math.atan2(matrix.getShearY(), matrix.getScaleX()))), 360);
        String text = reading.text(code);
        Marked mark = marks.peek();
        boolean replaced = mark != null && mark.replaces;
        if (replaced) {
            String told = mark.actualText == null ? "" : FontReading.plain(mark.actualText);
            // Some writers say of each ligature what its font says too.
            replaced = mark.tag != -1 || told.isEmpty() || !told.equals(text);
            text = told;
            mark.actualText = null;
        }
        boolean seen = getGraphicsState().getTextState().getRenderingMode().isFill() || getGraphicsState().getTextState().getRenderingMode().isStroke();
        // A font for writing downwards leads down (9.7.4.3); some files place its letters side by side all the same, each by itself.
        double advance = (font.isVertical() ? font.getWidth(code) / 1000 : displacement.getX()) * across;
        Link link = link(x + advance / 2, baseline - size * 0.3);
        int rgb = onWhite(rgb(getGraphicsState().getNonStrokingColor()), opacity * getGraphicsState().getNonStrokeAlphaConstant());
        Glyph glyph = new Glyph(text, x, baseline, advance, size, reading.space() * Math.min(across, WIDEST * size), reading.face(), rgb, tag(), angle, seen,
                link, order++);
        glyphs.add(glyph);
        if (shown != null) shown.add(address(glyph, place, font, code, displacement, across, matrix.getShearX(), replaced));
    }

    private ShownGlyph address(Glyph glyph, int place, PDFont font, int code, Vector displacement, double across, double slant, boolean replaced) {
        PDTextState state = getGraphicsState().getTextState();
        // Spaces between words count for the one-byte code 32 only (9.3.3).
        boolean word = code == 32 && font instanceof PDSimpleFont;
        return new ShownGlyph(glyph, frame.path, frame.path == null ? -1 : frame.operator, place, font, displacement.getX(),
                state.getCharacterSpacing() + (word ? state.getWordSpacing() : 0), state.getFontSize(), state.getRise(), across, slant,
                state.getRenderingMode().intValue(), replaced, state());
    }

    private int tag() {
        for (Marked mark : marks) if (mark.tag != -1) return mark.tag;
        return -1;
    }

    private Link link(double x, double y) {
        for (LinkArea area : links) if (area.area.contains(x, y)) return area.link;
        return null;
    }

    /** A colour that white shines through: letters have no other way to be pale. */
    private static int onWhite(int rgb, double opacity) {
        if (opacity > 0.995) return rgb;
        int mixed = 0;
        for (int shift = 16; shift >= 0; shift -= 8) mixed |= (int) Math.round(255 - (255 - (rgb >> shift & 0xFF)) * opacity) << shift;
        return mixed;
    }

    private int rgb(PDColor colour) {
        if (colour == lastColour) return lastRgb;
        int rgb = 0;
        try {
            if (!colour.isPattern()) rgb = colour.toRGB() & 0xFFFFFF;
        } catch (IOException | RuntimeException e) {
            problems.add(Message.of("read.a-colour-on-page-cannot-be-worked", (index + 1)));
        }
        lastColour = colour;
        lastRgb = rgb;
        return rgb;
    }

    @Override public void beginMarkedContentSequence(COSName tag, COSDictionary properties) {
        int id = -1;
        String actual = null;
        boolean hides = false;
        if (tag != null && tag.getName().equals("Artifact")) id = Glyph.ARTIFACT;
        if (properties != null) {
            if (properties.containsKey(COSName.MCID)) id = properties.getInt(COSName.MCID);
            actual = properties.getString(COSName.ACTUAL_TEXT);
            hides = tag != null && tag.equals(COSName.OC) && source.isHidden(properties);
        }
        if (hides) hidden++;
        marks.push(new Marked(id, hides, actual));
    }

    @Override public void endMarkedContentSequence() {
        if (marks.isEmpty()) return;
        if (marks.pop().hides) hidden--;
    }

    @Override public void appendRectangle(Point2D p0, Point2D p1, Point2D p2, Point2D p3) {
        path.moveTo(p0.getX(), p0.getY());
        path.lineTo(p1.getX(), p1.getY());
        path.lineTo(p2.getX(), p2.getY());
        path.lineTo(p3.getX(), p3.getY());
        path.closePath();
    }

    @Override public void moveTo(float x, float y) { path.moveTo(x, y); }

    @Override public void lineTo(float x, float y) {
        if (path.getCurrentPoint() == null) path.moveTo(x, y);
        else path.lineTo(x, y);
    }

    @Override public void curveTo(float x1, float y1, float x2, float y2, float x3, float y3) {
        if (path.getCurrentPoint() == null) path.moveTo(x1, y1);
        path.curveTo(x1, y1, x2, y2, x3, y3);
    }

    @Override public Point2D getCurrentPoint() { return path.getCurrentPoint(); }

    @Override public void closePath() { if (path.getCurrentPoint() != null) path.closePath(); }

    @Override public void clip(int windingRule) { clipRule = windingRule; }

    @Override public void endPath() {
        if (clipRule != -1) {
            path.setWindingRule(clipRule);
            getGraphicsState().intersectClippingPath(new GeneralPath(path));
            clips.cut(new Path2D.Double(path, toPage).getBounds2D());
            clipRule = -1;
        }
        path.reset();
    }

    @Override public void strokePath() {
        stroke();
        endPath();
    }

    @Override public void fillPath(int windingRule) {
        fill(windingRule);
        endPath();
    }

    @Override public void fillAndStrokePath(int windingRule) {
        fill(windingRule);
        stroke();
        endPath();
    }

    private void stroke() {
        if (hidden > 0 || ink.size() > MOST_SHAPES) return;
        double scale = Math.sqrt(Math.abs(getGraphicsState().getCurrentTransformationMatrix().createAffineTransform()
                .getDeterminant() * toPage.getDeterminant()));
        double line = Math.max(0.1, getGraphicsState().getLineWidth() * (scale > 0 ? scale : 1));
        PDLineDashPattern dash = getGraphicsState().getLineDashPattern();
        float[] pattern = dash == null || dash.getDashArray().length == 0 ? null : dash.getDashArray();
        Path2D onPage = new Path2D.Double(path, toPage);
        new PathReading(ink, () -> order++).stroke(onPage, line, pattern, rgb(getGraphicsState().getStrokingColor()),
                opacity * getGraphicsState().getAlphaConstant());
    }

    private void fill(int windingRule) {
        if (hidden > 0 || ink.size() > MOST_SHAPES) return;
        Path2D onPage = new Path2D.Double(path, toPage);
        if (getGraphicsState().getNonStrokingColor().isPattern()) {
            AffineTransform parent = getInitialMatrix().createAffineTransform();
            parent.preConcatenate(toPage);
            wash(() -> PatternReading.of(clipped(onPage), getGraphicsState().getNonStrokingColor(), getResources(), parent, getGraphicsState()
                    .getNonStrokeAlphaConstant() * opacity, windingRule == Path2D.WIND_EVEN_ODD, order++));
            return;
        }
        new PathReading(ink, () -> order++).fill(onPage, clips.now(), windingRule == Path2D.WIND_EVEN_ODD, rgb(getGraphicsState().getNonStrokingColor()),
                opacity * getGraphicsState().getNonStrokeAlphaConstant());
    }

    @Override public void drawImage(PDImage image) {
        if (hidden > 0) return;
        AffineTransform matrix = getGraphicsState().getCurrentTransformationMatrix().createAffineTransform();
        matrix.preConcatenate(toPage);
        int colour = image.isStencil() ? rgb(getGraphicsState().getNonStrokingColor()) : 0;
        try {
            Placed placed = source.pictures().read(image, matrix, clips.now(), colour, order++);
            if (placed != null) pictures.add(placed);
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(PageReader.class).info("A picture on page {} can't be read", index + 1, e);
            problems.add(Message.of("read.a-picture-on-page-cannot-be-read", (index + 1)));
        }
    }

    @Override public void shadingFill(COSName name) {
        if (hidden > 0 || ink.size() > MOST_SHAPES) return;
        wash(() -> {
            AffineTransform current = getGraphicsState().getCurrentTransformationMatrix().createAffineTransform();
            current.preConcatenate(toPage);
            PDShading shading = getResources().getShading(name);
            return shading == null ? null : PatternReading.of(clipped(new Path2D.Double(new Rectangle2D.Double(0, 0, width, height))), shading, current,
                    opacity * getGraphicsState().getNonStrokeAlphaConstant(), order++);
        });
    }

    private void wash(Callable<Ink.Wash> reading) {
        try {
            Ink.Wash wash = reading.call();
            if (wash != null && !wash.path().getBounds2D().isEmpty()) ink.add(wash);
            else if (wash == null) problems.add(Message.of("read.a-pattern-on-page", (index + 1)));
        } catch (Exception e) {
            LoggerFactory.getLogger(PageReader.class).info("A pattern on page {} can't be read", index + 1, e);
            problems.add(Message.of("read.a-pattern-on-page-cannot-be-read", (index + 1)));
        }
    }

    /** What of a shape may be painted on now. */
    private Path2D clipped(Path2D shape) {
        Area clip = new Area(toPage.createTransformedShape(getGraphicsState().getCurrentClippingPath()));
        clip.intersect(new Area(new Rectangle2D.Double(0, 0, width, height)));
        Rectangle2D box = shape.getBounds2D();
        if (clip.isRectangular() && clip.getBounds2D().contains(box)) return shape;
        clip.intersect(new Area(shape));
        return new Path2D.Double(clip);
    }
}
