package app.decant.format.ooxml;

import app.decant.document.Block;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.format.shape.DrawnShape;
import app.decant.xml.XmlNode;
import java.awt.geom.AffineTransform;
import java.util.List;

/** How a shape stands in its box, and its words in it (ISO/IEC 29500-1, 20.1.7.6 and 21.1.2.1.1). */
final class ShapeBody {
    private static final double SIDE = 7.2;
    private static final double EDGE = 3.6;

    private ShapeBody() { }

    /**
     * The box of words.
     *
     * @param body  what is said of it, or null
     * @param grows with its words
     * @param ink   of its area and line
     */
    static TextBox box(List<Block> blocks, XmlNode body, double width, double height, boolean grows, DrawnShape.Ink ink) {
        Insets padding = body == null ? new Insets(EDGE, SIDE, EDGE, SIDE)
                : new Insets(Units.emu(body, "tIns", EDGE), Units.emu(body, "rIns", SIDE), Units.emu(body, "bIns", EDGE), Units.emu(body, "lIns", SIDE));
        return new TextBox(blocks, width, height, grows, padding, ink.pen().border(), ink.fill(), switch (body == null ? "t" : body.get("anchor", "t")) {
            case "ctr", "just", "dist" -> VerticalAlignment.CENTRE;
            case "b" -> VerticalAlignment.BOTTOM;
            default -> VerticalAlignment.TOP;
        }, switch (body == null ? "horz" : body.get("vert", "horz")) {
            case "vert270" -> Running.UP;
            case "vert", "eaVert", "mongolianVert" -> Running.DOWN;
            default -> Running.ACROSS;
        });
    }

    /** By which a shape with such properties is turned and mirrored in its box. */
    static AffineTransform turning(XmlNode properties, double width, double height) {
        XmlNode frame = properties == null ? null : properties.child("a:xfrm");
        AffineTransform turned = AffineTransform.getTranslateInstance(width / 2, height / 2);
        turned.rotate(Math.toRadians(turn(frame)));
        turned.scale(isSet(frame, "flipH") ? -1 : 1, isSet(frame, "flipV") ? -1 : 1);
        turned.translate(-width / 2, -height / 2);
        return turned;
    }

    /** Clockwise, in degrees. */
    static double turn(XmlNode frame) {
        Integer turn = frame == null ? null : Units.whole(frame, "rot");
        return turn == null ? 0 : turn / 60000.0;
    }

    static boolean isSet(XmlNode node, String attribute) { return node != null && node.get(attribute, "0").matches("1|true"); }
}
