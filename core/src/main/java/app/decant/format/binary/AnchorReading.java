package app.decant.format.binary;

import app.decant.document.Anchor.Horizontal;
import app.decant.document.Anchor.Vertical;
import app.decant.document.Anchor.Wrap;
import app.decant.document.Anchor;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.ddf.AbstractEscherOptRecord;
import org.apache.poi.ddf.EscherContainerRecord;
import org.apache.poi.ddf.EscherPropertyTypes;
import org.apache.poi.ddf.EscherRecord;
import org.apache.poi.ddf.EscherSimpleProperty;
import org.apache.poi.ddf.EscherSpRecord;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.OfficeDrawing;

/** Where drawn shapes stand, how text meets them, and which lies over which (MS-DOC 2.9.253, Spa; MS-ODRAW 2.2.16, the order of shapes). */
final class AnchorReading {
    /** Of one Spa, in bytes, and where its flags are. */
    private static final int LENGTH = 26;
    private static final int FLAGS = 20;
    private static final int TOP_AND_BOTTOM = 1;
    private static final int THROUGH_TEXT = 3;
    /** Kept free beside a shape of which nothing is said, in points, and most that can be meant. */
    private static final double USUAL = 9;
    private static final double MOST_FREE = 500;
    private static final double EMU = 12_700;
    private static final int DEEPEST = 32;

    private final Map<Integer, Integer> flags = new HashMap<>();
    private final Map<Integer, Integer> order = new HashMap<>();

    /**
     * Reads the places of the shapes of the body, or of headers and footers.
     *
     * @param place where their table is in the table stream, and how long it is
     */
    AnchorReading(HWPFDocument file, int[] place) {
        byte[] table = file.getTableStream();
        int count = (place[1] - 4) / (LENGTH + 4);
        for (int i = 0; i < count; i++) {
            int at = place[0] + 4 * (count + 1) + LENGTH * i;
            if (place[0] < 0 || at < 0 || at + LENGTH > table.length) break;
            flags.put(Modifiers.four(table, place[0] + 4 * i), Modifiers.two(table, at + FLAGS));
        }
        for (EscherContainerRecord group : file.getOfficeArtContent().getSpgrContainers()) number(group, 0);
    }

    /** Shapes lie over those that come before them. */
    private void number(EscherContainerRecord group, int depth) {
        // The first stands for the drawing as a whole.
        for (EscherContainerRecord child : group.getChildContainers().stream().skip(depth == 0 ? 1 : 0).toList()) {
            EscherSpRecord shape = child.getChildById(EscherSpRecord.RECORD_ID);
            if (shape != null) order.putIfAbsent(shape.getShapeId(), order.size());
            if (child.getRecordId() == EscherContainerRecord.SPGR_CONTAINER && depth < DEEPEST) number(child, depth + 1);
        }
    }

    /**
     * The anchor of a shape.
     *
     * @param at   the position of its sign in its part of the text
     * @param left of its box from what it is measured from, in points, as is {@code top}
     */
    Anchor anchor(OfficeDrawing drawing, int at, double left, double top) {
        int said = flags.getOrDefault(at, 0);
        int wrap = said >> 5 & 0xF;
        Wrap meets = wrap == TOP_AND_BOTTOM ? Wrap.TOP_AND_BOTTOM : wrap == THROUGH_TEXT ? Wrap.NONE : Wrap.SQUARE;
        boolean behind = wrap == THROUGH_TEXT && (said >> 14 & 1) == 1;
        int level = order.getOrDefault(drawing.getShapeId(), 0);
        return new Anchor(horizontal(drawing, left, said), vertical(drawing, top, said), meets, distance(drawing), behind, level);
    }

    /** The same for a part of a group. */
    static Anchor at(Anchor anchor, double left, double top) {
        return new Anchor(new Horizontal(anchor.horizontal().from(), null, left), new Vertical(anchor.vertical().from(), null, top), anchor.wrap(),
                anchor.distance(), anchor.behind(), anchor.level());
    }

    /** What is kept free around it (MS-ODRAW 2.3.4.9 to 2.3.4.12). */
    private static Insets distance(OfficeDrawing drawing) {
        return new Insets(free(drawing, EscherPropertyTypes.GROUPSHAPE__WRAPDISTTOP, 0), free(drawing, EscherPropertyTypes.GROUPSHAPE__WRAPDISTRIGHT, USUAL),
                free(drawing, EscherPropertyTypes.GROUPSHAPE__WRAPDISTBOTTOM, 0), free(drawing, EscherPropertyTypes.GROUPSHAPE__WRAPDISTLEFT, USUAL));
    }

    private static double free(OfficeDrawing drawing, EscherPropertyTypes side, double usual) {
        double points = said(drawing, side, (int) Math.round(usual * EMU)) / EMU;
        return points >= 0 && points <= MOST_FREE ? points : usual;
    }

    /** What a property of a shape says. What it is measured from is said there (MS-ODRAW 2.3.4.20 and 2.3.4.22), and where it is not, in its Spa. */
    private static int said(OfficeDrawing drawing, EscherPropertyTypes property, int otherwise) {
        EscherContainerRecord shape = drawing.getOfficeArtSpContainer();
        for (EscherRecord one : shape == null ? List.<EscherRecord>of() : shape.getChildRecords()) {
            boolean says = one instanceof AbstractEscherOptRecord options && options.lookup(property) instanceof EscherSimpleProperty;
            if (says) return ((EscherSimpleProperty) ((AbstractEscherOptRecord) one).lookup(property)).getPropertyValue();
        }
        return otherwise;
    }

    private static Horizontal horizontal(OfficeDrawing drawing, double left, int said) {
        Horizontal.From from = switch (said(drawing, EscherPropertyTypes.GROUPSHAPE__POSRELH, said >> 1 & 3)) {
            case 0 -> Horizontal.From.MARGIN;
            case 1 -> Horizontal.From.PAGE;
            case 3 -> Horizontal.From.CHARACTER;
            default -> Horizontal.From.COLUMN;
        };
        Alignment alignment = switch (drawing.getHorizontalPositioning()) {
            case LEFT -> Alignment.START;
            case CENTER -> Alignment.CENTRE;
            case RIGHT -> Alignment.END;
            default -> null;
        };
        return new Horizontal(from, alignment, left);
    }

    private static Vertical vertical(OfficeDrawing drawing, double top, int said) {
        Vertical.From from = switch (said(drawing, EscherPropertyTypes.GROUPSHAPE__POSRELV, said >> 3 & 3)) {
            case 0 -> Vertical.From.MARGIN;
            case 1 -> Vertical.From.PAGE;
            case 3 -> Vertical.From.LINE;
            default -> Vertical.From.PARAGRAPH;
        };
        VerticalAlignment alignment = from == Vertical.From.PARAGRAPH || from == Vertical.From.LINE ? null : switch (drawing.getVerticalPositioning()) {
            case TOP -> VerticalAlignment.TOP;
            case CENTER -> VerticalAlignment.CENTRE;
            case BOTTOM -> VerticalAlignment.BOTTOM;
            default -> null;
        };
        return new Vertical(from, alignment, top);
    }
}
