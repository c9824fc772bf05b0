package app.decant.format.sheet;

import app.decant.document.FormField;
import java.util.HashMap;
import java.util.Map;
import org.apache.poi.ddf.EscherClientAnchorRecord;
import org.apache.poi.ddf.EscherClientDataRecord;
import org.apache.poi.ddf.EscherContainerRecord;
import org.apache.poi.ddf.EscherOptRecord;
import org.apache.poi.ddf.EscherPropertyTypes;
import org.apache.poi.ddf.EscherRecord;
import org.apache.poi.ddf.EscherSimpleProperty;
import org.apache.poi.hssf.record.CommonObjectDataSubRecord;
import org.apache.poi.hssf.record.EscherAggregate;
import org.apache.poi.hssf.record.ObjRecord;
import org.apache.poi.hssf.record.Record;
import org.apache.poi.hssf.record.RecordBase;
import org.apache.poi.hssf.record.SubRecord;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFShape;
import org.apache.poi.hssf.usermodel.HSSFSheet;

/**
 * What the records of a sheet of a .xls tell of what lies over its cells beyond the library's shapes, by where they lie: which are controls to be filled in
 * or pressed ([MS-XLS], 2.4.181), and which have no line.
 */
final class XlsObjectRecords {
    private static final int RADIO = CommonObjectDataSubRecord.OBJECT_TYPE_OPTION_BUTTON;
    private static final int TICK = CommonObjectDataSubRecord.OBJECT_TYPE_CHECKBOX;
    /** What a box or a choice holds (2.5.146). */
    private static final int STATE = 0x0A;
    /** Flags (2.5.143): it is printed, and it is part of the program's own window, as arrows of filters are. */
    private static final int PRINTED = 1 << 4;
    private static final int OF_WINDOW = 1 << 8;

    private static final int LINE = 1 << 3;
    private static final int USES_LINE = 1 << 19;

    private final Map<String, Control> controls = new HashMap<>();

    /** @param sign of a box to tick or a choice; null for all else */
    private record Control(int kind, int flags, String sign, boolean lined) { }

    /** Of a sheet whose shapes have been read: only then its records are known by them. */
    XlsObjectRecords(HSSFSheet sheet) {
        for (RecordBase one : sheet.getSheet().getRecords())
            if (one instanceof EscherAggregate drawn) for (EscherRecord root : drawn.getEscherRecords()) add(root, drawn.getShapeToObjMapping());
    }

    private void add(EscherRecord record, Map<EscherRecord, Record> objects) {
        if (!(record instanceof EscherContainerRecord container)) return;
        EscherRecord data = container.getChildById(EscherClientDataRecord.RECORD_ID);
        EscherRecord anchor = container.getChildById(EscherClientAnchorRecord.RECORD_ID);
        if (data != null && anchor instanceof EscherClientAnchorRecord at && objects.get(data) instanceof ObjRecord object) {
            String place = key(at.getCol1(), at.getDx1(), at.getRow1(), at.getDy1(), at.getCol2(), at.getDx2(), at.getRow2(), at.getDy2());
            controls.put(place, control(object, isLined(container)));
        }
        for (EscherRecord child : container) add(child, objects);
    }

    /** A line is there unless it is said that it is not ([MS-ODRAW], 2.3.8.43). */
    private static boolean isLined(EscherContainerRecord shape) {
        if (!(shape.getChildById(EscherOptRecord.RECORD_ID) instanceof EscherOptRecord told)) return true;
        return !(told.lookup(EscherPropertyTypes.LINESTYLE__NOLINEDRAWDASH) instanceof EscherSimpleProperty flags)
                || (flags.getPropertyValue() & USES_LINE) == 0 || (flags.getPropertyValue() & LINE) != 0;
    }

    private static Control control(ObjRecord object, boolean lined) {
        int kind = -1;
        int flags = PRINTED;
        boolean ticked = false;
        for (SubRecord part : object.getSubRecords()) {
            if (part instanceof CommonObjectDataSubRecord common) {
                kind = common.getObjectType();
                flags = common.getOption();
            }
            byte[] bytes = part.serialize();
            if (bytes.length > 5 && (bytes[0] & 0xFF | (bytes[1] & 0xFF) << 8) == STATE) ticked = (bytes[4] & 0xFF | (bytes[5] & 0xFF) << 8) != 0;
        }
        String sign = kind == TICK ? ticked ? FormField.TICKED : FormField.UNTICKED : kind == RADIO ? ticked ? "\u25CF" : "\u25CB" : null;
        return new Control(kind, flags, sign, lined);
    }

    private static String key(int... numbers) {
        StringBuilder key = new StringBuilder();
        for (int number : numbers) key.append(number & 0xFFFF).append(' ');
        return key.toString();
    }

    private Control of(HSSFShape shape) {
        return shape.getAnchor() instanceof HSSFClientAnchor at ? controls.get(key(at.getCol1(), at.getDx1(), at.getRow1(), at.getDy1(), at.getCol2(),
                at.getDx2(), at.getRow2(), at.getDy2())) : null;
    }

    /** Whether a shape is one that is filled in or pressed. */
    boolean isControl(HSSFShape shape) {
        Control control = of(shape);
        return control != null && control.kind >= CommonObjectDataSubRecord.OBJECT_TYPE_BUTTON
                && control.kind <= CommonObjectDataSubRecord.OBJECT_TYPE_COMBO_BOX && control.kind != CommonObjectDataSubRecord.OBJECT_TYPE_PICTURE
                && control.kind != CommonObjectDataSubRecord.OBJECT_TYPE_POLYGON;
    }

    /** Whether a control is seen on no page: its maker wished so, or it is the program's own. */
    boolean isUnseen(HSSFShape shape) { return isControl(shape) && ((of(shape).flags & PRINTED) == 0 || (of(shape).flags & OF_WINDOW) != 0); }

    /** Whether its frame has a line. */
    boolean isLined(HSSFShape shape) { return of(shape) == null || of(shape).lined; }

    /** The sign of a box to tick or a choice; null for all else. */
    String sign(HSSFShape shape) { return of(shape) == null ? null : of(shape).sign; }
}
