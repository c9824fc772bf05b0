package app.decant.format.shape;

import app.decant.document.Colour;
import app.decant.format.OpenDocumentLength;
import app.decant.format.shape.DrawnShape.Head;
import app.decant.format.shape.DrawnShape.Ink;
import app.decant.format.shape.DrawnShape.Made;
import app.decant.format.shape.DrawnShape.Part;
import app.decant.format.shape.DrawnShape.Pen;
import app.decant.xml.XmlNode;
import java.awt.geom.AffineTransform;
import java.awt.geom.Arc2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A shape of an OpenDocument drawing (ISO/IEC 26300-1, 10.3 and 10.6), wherever it is drawn: on pages of text, over cells.
 *
 * @param node  its markup
 * @param style gives a property of its graphic style by its name, or null
 */
public record OpenDocumentShape(XmlNode node, UnaryOperator<String> style) {
    private static final Set<String> KINDS = Set.of("draw:custom-shape", "draw:rect", "draw:ellipse", "draw:circle", "draw:line", "draw:connector",
            "draw:measure", "draw:polyline", "draw:polygon", "draw:path");
    private static final Set<String> LINES = Set.of("draw:line", "draw:connector", "draw:measure");
    private static final Pattern MOVE = Pattern.compile("(rotate|translate|scale|skewX|skewY|matrix)\\s*\\(([^)]*)\\)");
    private static final double USUAL_LINE = 0.75;
    private static final double MOST_LINE = 200;

    /** Whether it is one of those that are drawn here. */
    public static boolean isOne(XmlNode node) { return KINDS.contains(node.name()); }

    private double length(String name) { return OpenDocumentLength.points(node.get(name), 0); }

    private boolean isLine() { return LINES.contains(node.name()); }

    /** Its box before it is turned, from where its place is told, in points. */
    public Rectangle2D box() {
        if (!isLine()) return new Rectangle2D.Double(length("svg:x"), length("svg:y"), Math.abs(length("svg:width")), Math.abs(length("svg:height")));
        Rectangle2D box = new Rectangle2D.Double(length("svg:x1"), length("svg:y1"), 0, 0);
        box.add(length("svg:x2"), length("svg:y2"));
        return box;
    }

    /** Its box as it stands. */
    public Rectangle2D standing() { return turn().createTransformedShape(box()).getBounds2D(); }

    /** Whether it is a plain upright rectangle. */
    public boolean isBox() {
        XmlNode geometry = node.child("draw:enhanced-geometry");
        boolean rectangle = node.is("draw:rect") && OpenDocumentLength.points(node.get("draw:corner-radius"), 0) == 0
                || node.is("draw:custom-shape") && geometry != null && Set.of("rectangle", "ooxml-rect", "mso-spt202").contains(geometry.get("draw:type", ""));
        double[] turned = new double[4];
        turn().getMatrix(turned);
        return rectangle && turned[1] == 0 && turned[2] == 0 && ink().opacity() == 1 && ink().pen().dash().isEmpty();
    }

    /** Whether its words are themselves the drawing, stretched to fill it (19.225). */
    public boolean isLetters() {
        XmlNode geometry = node.child("draw:enhanced-geometry");
        return geometry != null && geometry.get("draw:text-path", "").equals("true") && !words().isBlank();
    }

    private String words() {
        StringBuilder words = new StringBuilder();
        for (XmlNode line : node.children("text:p")) words.append(words.isEmpty() ? "" : " ").append(line.text());
        return words.toString().strip();
    }

    /** What it is painted with (16.37, 20.97 to 20.180). */
    public Ink ink() {
        String fill = style.apply("draw:fill");
        boolean filled = !isLine() && !node.is("draw:polyline") && !"none".equals(fill);
        String opacity = style.apply("draw:opacity");
        double shown = opacity != null && opacity.matches("\\d{1,3}(\\.\\d+)?%") ? Double.parseDouble(opacity.replace("%", "")) / 100 : 1;
        return new Ink(filled ? colour("draw:fill-color", null) : null, Math.min(1, shown), pen());
    }

    private Colour colour(String property, Colour otherwise) {
        String told = style.apply(property);
        return told != null && told.matches("#[0-9A-Fa-f]{6}") ? Colour.hex(told) : otherwise;
    }

    private Pen pen() {
        String kind = style.apply("draw:stroke");
        if ("none".equals(kind)) return Pen.NONE;
        double width = Math.min(MOST_LINE, OpenDocumentLength.points(style.apply("svg:stroke-width"), USUAL_LINE));
        return new Pen(width <= 0 ? USUAL_LINE / 2 : width, colour("svg:stroke-color", Colour.BLACK), "dash".equals(kind) ? List.of(4.0, 3.0) : List.of(),
                head("draw:marker-start"), head("draw:marker-end"));
    }

    private Head head(String property) {
        String marker = style.apply(property);
        return marker == null || marker.isBlank() ? Head.NONE : Head.TRIANGLE;
    }

    /** How it is turned and moved from where it would stand (19.228). */
    private AffineTransform turn() {
        AffineTransform turn = new AffineTransform();
        Matcher found = MOVE.matcher(node.get("draw:transform", ""));
        while (found.find()) {
            String[] told = found.group(2).strip().split("[,\\s]+");
            double[] v = new double[6];
            for (int i = 0; i < told.length && i < 6; i++) v[i] = OpenDocumentLength.points(told[i], 0);
            turn.preConcatenate(switch (found.group(1)) {
                // Angles are told against the clock.
                case "rotate" -> AffineTransform.getRotateInstance(-v[0]);
                case "translate" -> AffineTransform.getTranslateInstance(v[0], v[1]);
                case "scale" -> AffineTransform.getScaleInstance(v[0], told.length > 1 ? v[1] : v[0]);
                case "skewX" -> AffineTransform.getShearInstance(-Math.tan(v[0]), 0);
                case "skewY" -> AffineTransform.getShearInstance(0, -Math.tan(v[0]));
                default -> new AffineTransform(v);
            });
        }
        return turn;
    }

    /**
     * The shape as a drawing; its place is from where the shape's own is told.
     *
     * @return null where its outline is not known or nothing of it is seen
     */
    public Made draw() {
        Rectangle2D box = box();
        List<Part> parts = parts(box);
        AffineTransform placed = turn();
        placed.translate(box.getX(), box.getY());
        XmlNode told = node.child("svg:desc") != null ? node.child("svg:desc") : node.child("svg:title");
        String said = told == null || told.text().isBlank() ? null : told.text();
        return DrawnShape.draw(parts, ink(), placed, said == null && isLetters() ? words() : said);
    }

    private List<Part> parts(Rectangle2D box) {
        double width = box.getWidth();
        double height = box.getHeight();
        return switch (node.name()) {
            case "draw:custom-shape" -> custom(width, height);
            case "draw:rect" -> {
                double round = 2 * length("draw:corner-radius");
                yield List.of(new Part(new Path2D.Double(new RoundRectangle2D.Double(0, 0, width, height, round, round)), true, true, 1));
            }
            case "draw:ellipse", "draw:circle" -> round(width, height);
            case "draw:polygon", "draw:polyline" -> fitted(PathText.through(node.get("draw:points", ""), node.is("draw:polygon")), width, height);
            case "draw:path" -> fitted(PathText.of(node.get("svg:d", "")), width, height);
            case "draw:connector" -> node.get("svg:d") == null ? straight(box) : connected(box);
            default -> straight(box);
        };
    }

    private List<Part> custom(double width, double height) {
        XmlNode geometry = node.child("draw:enhanced-geometry");
        if (geometry == null) return List.of();
        if (isLetters()) return DrawnLetters.filling(words(), "Liberation Sans", true, false, width, height);
        List<Part> told = EnhancedPath.parts(geometry, width, height);
        String type = geometry.get("draw:type", "");
        List<Part> parts = !told.isEmpty() ? told : type.startsWith("ooxml-") ? ShapeGeometry.preset(type.substring("ooxml-".length()), width, height)
                : type.matches("mso-spt\\d{1,3}") ? ShapeGeometry.numbered(Integer.parseInt(type.substring("mso-spt".length())), width, height)
                : ShapeGeometry.preset(type.equals("rectangle") ? "rect" : type, width, height);
        boolean across = geometry.get("draw:mirror-horizontal", "").equals("true");
        boolean down = geometry.get("draw:mirror-vertical", "").equals("true");
        AffineTransform mirror = new AffineTransform(across ? -1 : 1, 0, 0, down ? -1 : 1, across ? width : 0, down ? height : 0);
        return mirror.isIdentity() ? parts : parts.stream().map(part -> new Part(new Path2D.Double(part.path(), mirror), part.filled(), part.stroked(),
                part.shade())).toList();
    }

    /** Whole, or a part of it between two angles (19.219). */
    private List<Part> round(double width, double height) {
        String kind = node.get("draw:kind", "full");
        if (kind.equals("full")) return List.of(new Part(new Path2D.Double(new Ellipse2D.Double(0, 0, width, height)), true, true, 1));
        double from = OpenDocumentLength.points(node.get("draw:start-angle"), 0);
        double extent = ((OpenDocumentLength.points(node.get("draw:end-angle"), 360) - from) % 360 + 360) % 360;
        int closed = kind.equals("cut") ? Arc2D.CHORD : kind.equals("section") ? Arc2D.PIE : Arc2D.OPEN;
        return List.of(new Part(new Path2D.Double(new Arc2D.Double(0, 0, width, height, from, extent == 0 ? 360 : extent, closed)), closed != Arc2D.OPEN,
                true, 1));
    }

    private List<Part> fitted(Path2D path, double width, double height) {
        Rectangle2D told = PathText.box(node.get("svg:viewBox"));
        if (path.getCurrentPoint() == null) return List.of();
        path.transform(PathText.fit(told == null ? path.getBounds2D() : told, width, height));
        path.setWindingRule(Path2D.WIND_EVEN_ODD);
        return List.of(new Part(path, true, true, 1));
    }

    private List<Part> straight(Rectangle2D box) {
        Line2D line = new Line2D.Double(length("svg:x1") - box.getX(), length("svg:y1") - box.getY(), length("svg:x2") - box.getX(),
                length("svg:y2") - box.getY());
        return List.of(new Part(new Path2D.Double(line), false, true, 1));
    }

    /** The way of a connector is told in a measure of its own; it leads from one end to the other. */
    private List<Part> connected(Rectangle2D box) {
        Path2D path = PathText.of(node.get("svg:d"));
        Rectangle2D told = path.getBounds2D();
        if (told.getWidth() == 0 || told.getHeight() == 0 || box.getWidth() == 0 || box.getHeight() == 0) return straight(box);
        path.transform(PathText.fit(told, box.getWidth(), box.getHeight()));
        return List.of(new Part(path, false, true, 1));
    }
}
