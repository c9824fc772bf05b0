package app.decant.format.shape;

import app.decant.format.shape.DrawnShape.Part;
import app.decant.xml.XmlNode;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.sl.draw.geom.AdjustPoint;
import org.apache.poi.sl.draw.geom.AdjustValue;
import org.apache.poi.sl.draw.geom.ArcToCommand;
import org.apache.poi.sl.draw.geom.ClosePathCommand;
import org.apache.poi.sl.draw.geom.Context;
import org.apache.poi.sl.draw.geom.CurveToCommand;
import org.apache.poi.sl.draw.geom.CustomGeometry;
import org.apache.poi.sl.draw.geom.Guide;
import org.apache.poi.sl.draw.geom.GuideIf;
import org.apache.poi.sl.draw.geom.LineToCommand;
import org.apache.poi.sl.draw.geom.MoveToCommand;
import org.apache.poi.sl.draw.geom.Path;
import org.apache.poi.sl.draw.geom.PathCommand;
import org.apache.poi.sl.draw.geom.PathIf;
import org.apache.poi.sl.draw.geom.PresetGeometries;
import org.apache.poi.sl.draw.geom.QuadToCommand;
import org.apache.poi.sl.usermodel.PaintStyle.PaintModifier;
import org.apache.poi.sl.usermodel.ShapeType;
import org.apache.poi.util.Units;
import org.slf4j.LoggerFactory;

/** The outlines of shapes in drawings, preset or told point by point (ISO/IEC 29500-1, 20.1.9), reckoned by the common library's formulas. */
public final class ShapeGeometry {
    private static final int MOST_COMMANDS = 20_000;

    private ShapeGeometry() { }

    /** @param width of the shape, like its height in points. @return nothing where its outline is not known */
    public static List<Part> of(XmlNode properties, double width, double height) {
        XmlNode preset = properties == null ? null : properties.child("a:prstGeom");
        XmlNode custom = properties == null ? null : properties.child("a:custGeom");
        if (preset != null) return preset(preset.get("prst", ""), values(preset.child("a:avLst")), width, height);
        return custom == null ? List.of() : parts(geometry(custom), Map.of(), width, height);
    }

    /** Where the words of a shape stand in it (20.1.9.22); null where nothing is said of that. */
    public static Rectangle2D wordsIn(XmlNode properties, double width, double height) {
        XmlNode preset = properties == null ? null : properties.child("a:prstGeom");
        CustomGeometry geometry = preset == null ? null : PresetGeometries.getInstance().get(preset.get("prst", ""));
        PathIf told = geometry == null ? null : geometry.getTextBounds();
        if (told == null) return null;
        try {
            Rectangle2D whole = new Rectangle2D.Double(0, 0, Math.max(1, Units.toEMU(width)), Math.max(1, Units.toEMU(height)));
            Map<String, GuideIf> adjusted = values(preset.child("a:avLst"));
            Rectangle2D box = told.getPath(new Context(geometry, whole, adjusted::get)).getBounds2D();
            double x = Math.max(0, Units.toPoints((long) box.getX()));
            double y = Math.max(0, Units.toPoints((long) box.getY()));
            return new Rectangle2D.Double(x, y, Math.min(width - x, Units.toPoints((long) box.getWidth())), Math.min(height - y,
                    Units.toPoints((long) box.getHeight())));
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(ShapeGeometry.class).info("A shape does not tell where its words are", e);
            return null;
        }
    }

    /**
     * The outlines of a shape that the standard names (20.1.10.56), as they are when nobody adjusts them; nothing for a name that is none.
     *
     * @param width in points, as is {@code height}
     */
    public static List<Part> preset(String name, double width, double height) { return preset(name, Map.of(), width, height); }

    /** The same for one that the binary formats and the older vector markup number (MS-ODRAW, 2.4.24). */
    public static List<Part> numbered(int number, double width, double height) {
        ShapeType known = number < 1 ? null : ShapeType.forId(number, false);
        return known == null || known.getOoxmlName() == null ? List.of() : preset(known.getOoxmlName(), width, height);
    }

    private static List<Part> preset(String name, Map<String, GuideIf> adjusted, double width, double height) {
        CustomGeometry geometry = PresetGeometries.getInstance().get(name);
        return geometry == null ? List.of() : parts(geometry, adjusted, width, height);
    }

    private static Map<String, GuideIf> values(XmlNode list) {
        Map<String, GuideIf> values = new HashMap<>();
        for (XmlNode node : list == null ? List.<XmlNode>of() : list.children("a:gd")) values.put(node.get("name", ""), guide(new Guide(), node));
        return values;
    }

    private static Guide guide(Guide guide, XmlNode node) {
        guide.setName(node.get("name", ""));
        guide.setFmla(node.get("fmla", "val 0"));
        return guide;
    }

    private static List<Part> parts(CustomGeometry geometry, Map<String, GuideIf> adjusted, double width, double height) {
        List<Part> parts = new ArrayList<>();
        try {
            for (PathIf path : geometry) {
                boolean own = path.getW() > 0 && path.getH() > 0;
                double across = own ? path.getW() : Math.max(1, Units.toEMU(width));
                double down = own ? path.getH() : Math.max(1, Units.toEMU(height));
                Path2D traced = path.getPath(new Context(geometry, new Rectangle2D.Double(0, 0, across, down), adjusted::get));
                traced.transform(AffineTransform.getScaleInstance(width / across, height / down));
                parts.add(new Part(traced, path.isFilled(), path.isStroked(), shade(path.getFill())));
            }
        } catch (RuntimeException e) {
            // Formulas that name what is not there or divide by nothing: such a shape has no outline, which is told as a drawing that is only kept.
            LoggerFactory.getLogger(ShapeGeometry.class).info("A shape has no outline", e);
            return List.of();
        }
        return parts;
    }

    private static double shade(PaintModifier modifier) {
        return modifier == null ? 1 : switch (modifier) {
            case DARKEN -> 0.6;
            case DARKEN_LESS -> 0.8;
            case LIGHTEN -> 1.4;
            case LIGHTEN_LESS -> 1.2;
            default -> 1;
        };
    }

    private static CustomGeometry geometry(XmlNode node) {
        CustomGeometry geometry = new CustomGeometry();
        XmlNode adjusted = node.child("a:avLst");
        for (XmlNode one : adjusted == null ? List.<XmlNode>of() : adjusted.children("a:gd")) geometry.addAdjustGuide((AdjustValue) guide(new AdjustValue(),
                one));
        XmlNode guides = node.child("a:gdLst");
        for (XmlNode one : guides == null ? List.<XmlNode>of() : guides.children("a:gd")) geometry.addGeomGuide(guide(new Guide(), one));
        XmlNode paths = node.child("a:pathLst");
        int count = 0;
        for (XmlNode one : paths == null ? List.<XmlNode>of() : paths.children("a:path")) {
            Path path = new Path();
            path.setW(whole(one, "w"));
            path.setH(whole(one, "h"));
            path.setFill(one.get("fill", "norm").equals("none") ? PaintModifier.NONE : PaintModifier.NORM);
            path.setStroke(!one.get("stroke", "1").matches("0|false"));
            for (XmlNode step : one.children()) {
                PathCommand command = count++ < MOST_COMMANDS ? command(step) : null;
                if (command != null) path.addCommand(command);
            }
            geometry.addPath(path);
        }
        return geometry;
    }

    private static long whole(XmlNode node, String attribute) {
        String text = node.get(attribute, "");
        return text.matches("\\d{1,15}") ? Long.parseLong(text) : -1;
    }

    private static PathCommand command(XmlNode node) {
        List<XmlNode> points = node.children("a:pt");
        return switch (node.name()) {
            case "a:moveTo" -> {
                MoveToCommand command = new MoveToCommand();
                command.setPt(point(points, 0));
                yield command;
            }
            case "a:lnTo" -> {
                LineToCommand command = new LineToCommand();
                command.setPt(point(points, 0));
                yield command;
            }
            case "a:cubicBezTo" -> {
                CurveToCommand command = new CurveToCommand();
                command.setPt1(point(points, 0));
                command.setPt2(point(points, 1));
                command.setPt3(point(points, 2));
                yield command;
            }
            case "a:quadBezTo" -> {
                QuadToCommand command = new QuadToCommand();
                command.setPt1(point(points, 0));
                command.setPt2(point(points, 1));
                yield command;
            }
            case "a:arcTo" -> {
                ArcToCommand command = new ArcToCommand();
                command.setHR(node.get("hR", "0"));
                command.setWR(node.get("wR", "0"));
                command.setStAng(node.get("stAng", "0"));
                command.setSwAng(node.get("swAng", "0"));
                yield command;
            }
            case "a:close" -> new ClosePathCommand();
            default -> null;
        };
    }

    private static AdjustPoint point(List<XmlNode> points, int index) {
        AdjustPoint point = new AdjustPoint();
        point.setX(index < points.size() ? points.get(index).get("x", "0") : "0");
        point.setY(index < points.size() ? points.get(index).get("y", "0") : "0");
        return point;
    }
}
