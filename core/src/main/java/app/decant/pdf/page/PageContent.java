package app.decant.pdf.page;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.FormField;
import app.decant.document.Link;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.page.Canvas;
import app.decant.page.Piece;
import app.decant.page.TextStyle;
import app.decant.pdf.font.EmbeddedFace;
import app.decant.pdf.font.PageFont;
import app.decant.pdf.font.StandardFace;
import app.decant.pdf.structure.PageTags;
import app.decant.pdf.structure.Tag;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;

/** Takes one page and writes it as a content stream (ISO 32000-1, 7.8.2). */
public final class PageContent implements Canvas {
    public static final String UNSEEN_FAMILY = "Liberation Sans";
    private final double height;
    private final Function<Face, PageFont> faces;
    private final Function<Picture, PDXObject> pictures;
    private final ContentBytes out = new ContentBytes();
    private final Map<PageFont, String> fontNames = new LinkedHashMap<>();
    private final Map<PDXObject, String> pictureNames = new LinkedHashMap<>();
    private final List<LinkArea> links = new ArrayList<>();
    private List<FieldArea> fields;
    private FieldRoom around;
    private boolean inText;
    private PageFont font;
    private double size;
    private double scale = 100;
    private Colour ink;
    private double penX;
    private double penY;
    private double unseenRight;
    private double unseenBaseline = -1;
    private PageTags tags;
    private Tag open;
    private boolean isMarked;
    /** What leads from where things would stand to where they stand turned; null where they stand upright. */
    private AffineTransform turned;

    /** An area that leads somewhere, from the page's top left corner; with its element where the file is tagged. */
    public record LinkArea(double x, double y, double width, double height, Link target, Tag tag) { }

    public PageContent(double height, Function<Face, PageFont> faces, Function<Picture, PDXObject> pictures) {
        this.height = height;
        this.faces = faces;
        this.pictures = pictures;
    }

    /** From now on everything painted is marked with what it is (ISO 32000-1, 14.6). */
    public void tag(PageTags others) { tags = others; }

    /**
     * Places of forms become fields, instead of being drawn.
     *
     * @param room that there is for them on the page
     */
    public void fillable(FieldRoom room) {
        fields = new ArrayList<>();
        around = room;
    }

    /** The places of forms that become fields; empty where none does. */
    public List<FieldArea> fields() { return fields == null ? List.of() : fields; }

    /**
     * Letters that are filled into a form, from the page's top left corner.
     *
     * @param room to what stands next on the line, or to the edge of the page's text
     */
    public record FieldArea(FormField form, double x, double y, double width, double height, double room, String text, TextStyle style) { }

    @Override public boolean field(Piece.Glyphs glyphs, double x, double y, double width, double high, double room) {
        if (fields == null) return false;
        double free = Math.max(width, Math.min(room, around.right(x, y, high) - x));
        fields.add(new FieldArea(glyphs.style().form(), x, y, width, high, free, glyphs.text(), glyphs.style()));
        return true;
    }

    /** Content of an element follows, or, where that is null, what is no content. */
    private void enter(Tag tag) {
        if (tags == null || isMarked && open == tag) return;
        leave();
        if (tag == null) out.append("/Artifact BMC\n");
        else out.append('/').append(tag.role()).append(" <</MCID ").whole(tags.mark(tag)).append(">> BDC\n");
        open = tag;
        isMarked = true;
    }

    private void leave() {
        endText();
        if (isMarked) out.append("EMC\n");
        isMarked = false;
    }

    public byte[] bytes() {
        leave();
        return out.toBytes();
    }

    double height() { return height; }
    Map<PageFont, String> fonts() { return fontNames; }
    public Map<PDXObject, String> pictures() { return pictureNames; }
    public List<LinkArea> links() { return links; }

    public COSDictionary fontResources() {
        COSDictionary resources = new COSDictionary();
        fontNames.forEach((face, name) -> resources.setItem(name, face.dictionary()));
        return resources;
    }

    @Override public void glyphs(Piece.Glyphs piece, double x, double baseline, Colour colour) {
        if (piece.glyphs().length == 0) return;
        if (tags != null) enter(tags.glyphs(piece));
        PageFont font = faces.apply(piece.style().face());
        beginText(font, piece.style().size(), piece.style().widthScale() * 100, colour);
        double unit = size * scale / 100 / 1000;
        moveTo(x + piece.glyphX()[0], height - baseline);
        if (font instanceof StandardFace standard) standard(piece, standard, x, unit);
        else if (isPlain(piece)) plain(piece, (EmbeddedFace) font, x, unit);
        else intricate(piece, (EmbeddedFace) font, x, unit);
        penX = x + piece.glyphX()[0];
        penY = height - baseline;
    }

    /** Whether every glyph stands for the one character in its place, on the baseline. */
    private static boolean isPlain(Piece.Glyphs piece) {
        int count = piece.glyphs().length;
        if (piece.rightToLeft() || piece.glyphY() != null || count != piece.text().length()) return false;
        for (int g = 0; g < count; g++) if (piece.clusters()[g] != g) return false;
        return true;
    }

    private void plain(Piece.Glyphs piece, EmbeddedFace face, double x, double unit) {
        int[] glyphs = piece.glyphs();
        double pen = x + piece.glyphX()[0];
        out.append("[(");
        for (int g = 0; g < glyphs.length; g++) {
            int code = face.code(glyphs[g], piece.text().charAt(g));
            if (code < 0) {
                endRun();
                told(piece.text().substring(g, g + 1));
                out.append("[(").code(face.anyCode(glyphs[g])).append(")] TJ EMC\n[(");
            } else {
                pen = adjusted(pen, x + piece.glyphX()[g], unit);
                out.code(code);
            }
            pen += face.width(glyphs[g]) * unit;
        }
        endRun();
    }

    /** Character by character, ligatures taken apart; each cluster begins where it was laid out. */
    private void standard(Piece.Glyphs piece, StandardFace face, double x, double unit) {
        int[] ends = clusterEnds(piece);
        double pen = x + piece.glyphX()[0];
        out.append("[(");
        for (int g = 0; g < piece.glyphs().length; g++) {
            if (g > 0 && piece.clusters()[g] == piece.clusters()[g - 1]) continue;
            pen = adjusted(pen, x + piece.glyphX()[g], unit);
            for (int i = piece.clusters()[g]; i < ends[g]; i++) {
                out.shortCode(StandardFace.code(piece.text().charAt(i)));
                pen += face.width(piece.text().charAt(i)) * unit;
            }
        }
        endRun();
    }

    /** Clusters of several glyphs or characters, and raised marks. */
    private void intricate(Piece.Glyphs piece, EmbeddedFace face, double x, double unit) {
        int[] glyphs = piece.glyphs();
        int[] clusters = piece.clusters();
        int[] ends = clusterEnds(piece);
        double pen = x + piece.glyphX()[0];
        out.append("[(");
        for (int g = 0; g < glyphs.length; g++) {
            boolean first = g == 0 || clusters[g] != clusters[g - 1];
            boolean last = g == glyphs.length - 1 || clusters[g] != clusters[g + 1];
            String text = piece.text().substring(clusters[g], ends[g]);
            int code = first && last ? face.code(glyphs[g], text) : -1;
            double raise = piece.glyphY() == null ? 0 : piece.glyphY()[g];
            boolean apart = code < 0;
            if (apart && first || raise != 0) endRun();
            if (apart && first) told(text);
            if (raise != 0) out.number(raise).append(" Ts ");
            if (apart && first || raise != 0) out.append("[(");
            pen = adjusted(pen, x + piece.glyphX()[g], unit);
            out.code(code >= 0 ? code : face.anyCode(glyphs[g]));
            pen += face.width(glyphs[g]) * unit;
            if (apart && last || raise != 0) {
                endRun();
                if (raise != 0) out.append("0 Ts ");
                if (apart && last) out.append("EMC\n");
                out.append("[(");
            }
        }
        endRun();
    }

    /** Moves the pen where it is not where the next glyph is wanted; gives where it then is. */
    private double adjusted(double pen, double wanted, double unit) {
        double adjust = (pen - wanted) / unit;
        if (Math.abs(adjust) < 0.5) return pen;
        long rounded = Math.round(adjust);
        out.append(')').whole(rounded).append('(');
        return pen - rounded * unit;
    }

    /** Tells the text that the glyphs to come stand for (14.9.4). */
    private void told(String text) {
        out.append("/Span <</ActualText <FEFF");
        for (int i = 0; i < text.length(); i++) out.hex(text.charAt(i));
        out.append(">>> BDC\n");
    }

    /** Ends a run of shown glyphs; an empty one is taken back. (Inside a string a parenthesis follows a backslash, so it is not mistaken.) */
    private void endRun() {
        if (out.endsWith("[(")) out.takeBack(2);
        else out.append(")] TJ\n");
    }

    /** For each glyph the end of the characters its cluster stands for. */
    private static int[] clusterEnds(Piece.Glyphs piece) {
        int[] clusters = piece.clusters();
        int[] ends = new int[clusters.length];
        if (!piece.rightToLeft()) {
            int end = piece.text().length();
            for (int g = clusters.length - 1; g >= 0; g--) {
                if (g < clusters.length - 1 && clusters[g + 1] > clusters[g]) end = clusters[g + 1];
                ends[g] = end;
            }
        } else {
            int end = piece.text().length();
            for (int g = 0; g < clusters.length; g++) {
                if (g > 0 && clusters[g - 1] > clusters[g]) end = clusters[g - 1];
                ends[g] = end;
            }
        }
        return ends;
    }

    private void beginText(PageFont face, double newSize, double newScale, Colour colour) {
        if (!inText) {
            out.append("BT\n");
            inText = true;
            penX = 0;
            penY = 0;
        }
        if (font != face || size != newSize) {
            String name = fontNames.computeIfAbsent(face, key -> "F" + fontNames.size());
            out.append('/').append(name).append(' ').number(newSize).append(" Tf\n");
            font = face;
            size = newSize;
        }
        if (scale != newScale) {
            out.number(newScale).append(" Tz\n");
            scale = newScale;
        }
        ink(colour);
    }

    private void moveTo(double x, double y) {
        // Rounded the way it is written, so that errors do not add up over a page.
        double dx = Math.round((x - penX) * 1000) / 1000.0;
        double dy = Math.round((y - penY) * 1000) / 1000.0;
        out.number(dx).append(' ').number(dy).append(" Td\n");
    }

    private void ink(Colour colour) {
        if (colour.equals(ink)) return;
        colour(colour).append(" rg\n");
        ink = colour;
    }

    /** Paints what follows moved, turned and sized, and as opaque as a graphics state says; until {@link #end}. */
    void begin(AffineTransform place, String state) {
        enter(null);
        endText();
        out.append("q ");
        if (state != null) out.append('/').append(state).append(" gs ");
        double[] m = new double[6];
        place.getMatrix(m);
        for (double value : m) out.number(value).append(' ');
        out.append("cm\n");
        forget();
    }

    void end() {
        endText();
        out.append("Q\n");
        forget();
    }

    @Override public void turn(double x, double y, double degrees) {
        leave();
        turned = AffineTransform.getRotateInstance(Math.toRadians(degrees), x, y);
        // The same where up is up.
        AffineTransform up = new AffineTransform(1, 0, 0, -1, 0, height);
        AffineTransform place = new AffineTransform(up);
        place.concatenate(turned);
        place.concatenate(up);
        double[] m = new double[6];
        place.getMatrix(m);
        out.append("q ");
        for (double value : m) out.number(value).append(' ');
        out.append("cm\n");
        forget();
    }

    @Override public void upright() {
        leave();
        out.append("Q\n");
        forget();
        turned = null;
    }

    /** Paints a form or picture that fills the unit square. */
    void object(PDXObject object) {
        String name = pictureNames.computeIfAbsent(object, key -> "P" + pictureNames.size());
        out.append('/').append(name).append(" Do\n");
    }

    /** What was set inside a saved state is not set outside it. */
    private void forget() {
        font = null;
        scale = 100;
        ink = null;
    }

    private void endText() {
        if (inText) out.append("ET\n");
        inText = false;
    }

    @Override public void fill(double x, double y, double width, double fillHeight, Colour colour) {
        enter(null);
        endText();
        ink(colour);
        out.number(x).append(' ').number(height - y - fillHeight).append(' ').number(width).append(' ').number(fillHeight).append(" re f\n");
    }

    @Override public void rule(double x1, double y1, double x2, double y2, Border border) {
        enter(null);
        endText();
        Colour colour = border.colour().isAutomatic() ? Colour.BLACK : border.colour();
        double width = border.width();
        out.append("q ");
        colour(colour).append(" RG ");
        switch (border.line()) {
            case DOTTED -> out.append("1 J [0 ").number(width * 2).append("] 0 d ");
            case DASHED -> out.append('[').number(width * 3).append("] 0 d ");
            default -> { }
        }
        if (border.line() == Border.Line.DOUBLE) {
            double apart = width;
            boolean across = y1 == y2;
            line(x1 - (across ? 0 : apart), y1 - (across ? apart : 0), x2 - (across ? 0 : apart), y2 - (across ? apart : 0), width);
            line(x1 + (across ? 0 : apart), y1 + (across ? apart : 0), x2 + (across ? 0 : apart), y2 + (across ? apart : 0), width);
        } else {
            line(x1, y1, x2, y2, border.line() == Border.Line.THICK ? width * 2 : width);
        }
        out.append("Q\n");
    }

    private void line(double x1, double y1, double x2, double y2, double width) {
        out.number(width).append(" w ").number(x1).append(' ').number(height - y1).append(" m ").number(x2).append(' ').number(height - y2).append(" l S ");
    }

    @Override public void picture(Picture picture, double x, double y) {
        if (tags != null) enter(tags.picture(picture));
        endText();
        PDXObject image = pictures.apply(picture);
        if (image == null) {
            rule(x, y, x + picture.width(), y, Border.single(0.5, new Colour(0xB0B0B0)));
            rule(x, y + picture.height(), x + picture.width(), y + picture.height(), Border.single(0.5, new Colour(0xB0B0B0)));
            return;
        }
        String name = pictureNames.computeIfAbsent(image, key -> "P" + pictureNames.size());
        Insets crop = picture.crop();
        double fullWidth = picture.width() / Math.max(0.01, 1 - crop.left() - crop.right());
        double fullHeight = picture.height() / Math.max(0.01, 1 - crop.top() - crop.bottom());
        out.append("q ");
        double bottom = height - y - picture.height();
        if (picture.rotation() != 0) {
            double angle = Math.toRadians(-picture.rotation());
            double cos = Math.cos(angle);
            double sin = Math.sin(angle);
            double centreX = x + picture.width() / 2;
            double centreY = bottom + picture.height() / 2;
            out.number(cos).append(' ').number(sin).append(' ').number(-sin).append(' ').number(cos).append(' ')
                    .number(centreX - centreX * cos + centreY * sin).append(' ').number(centreY - centreX * sin - centreY * cos).append(" cm ");
        }
        if (!crop.equals(Insets.NONE))
            out.number(x).append(' ').number(bottom).append(' ').number(picture.width()).append(' ').number(picture.height()).append(" re W n ");
        out.number(fullWidth).append(" 0 0 ").number(fullHeight).append(' ').number(x - crop.left() * fullWidth).append(' ')
                .number(bottom - crop.bottom() * fullHeight).append(" cm /").append(name).append(" Do Q\n");
    }

    /**
     * One glyph as wide as the word stands for all of it, not painted (9.3.6, mode 3), so that no font has to have its letters; another for the space before
     * it.
     */
    @Override public void unseen(Picture.Word word, double x, double baseline) {
        double gap = x - unseenRight;
        if (Math.abs(baseline - unseenBaseline) < 0.2 * word.size() && gap > 0 && gap < 3 * word.size()) unseen(" ", unseenRight, baseline, gap, word.size());
        unseen(word.text(), x, baseline, word.width(), word.size());
        unseenRight = x + word.width();
        unseenBaseline = baseline;
    }

    private void unseen(String text, double x, double baseline, double width, double height) {
        Face face = FontCatalogue.shipped().match(UNSEEN_FAMILY, false, false).face();
        if (!(faces.apply(face) instanceof EmbeddedFace embedded)) throw new IllegalStateException("The font of unseen words is left out");
        int glyph = face.shape(" ", false, false, false).glyphs()[0];
        double natural = embedded.width(glyph) * height / 1000;
        beginText(embedded, height, Math.max(1, Math.min(100_000, 100 * width / Math.max(0.01, natural))), Colour.BLACK);
        moveTo(x, this.height - baseline);
        out.append("3 Tr ");
        int code = embedded.code(glyph, text);
        if (code < 0) told(text);
        out.append("[(").code(code < 0 ? embedded.anyCode(glyph) : code).append(")] TJ");
        if (code < 0) out.append(" EMC");
        out.append(" 0 Tr\n");
        penX = x;
        penY = this.height - baseline;
    }

    @Override public void link(double x, double y, double width, double linkHeight, Link target) {
        if (turned != null) {
            Rectangle2D around = turned.createTransformedShape(new Rectangle2D.Double(x, y, width, linkHeight)).getBounds2D();
            links.add(new LinkArea(around.getX(), around.getY(), around.getWidth(), around.getHeight(), target, tags == null ? null : tags.link(target)));
            return;
        }
        Tag tag = tags == null ? null : tags.link(target);
        if (!links.isEmpty()) {
            LinkArea last = links.get(links.size() - 1);
            boolean joins = last.target().equals(target) && Math.abs(last.y() - y) < 0.5 && Math.abs(last.x() + last.width() - x) < 2;
            if (joins) {
                links.set(links.size() - 1, new LinkArea(last.x(), last.y(), x + width - last.x(), Math.max(last.height(), linkHeight), target, last.tag()));
                return;
            }
        }
        links.add(new LinkArea(x, y, width, linkHeight, target, tag));
    }

    private ContentBytes colour(Colour colour) {
        return out.number(colour.red() / 255.0).append(' ').number(colour.green() / 255.0).append(' ').number(colour.blue() / 255.0);
    }
}
