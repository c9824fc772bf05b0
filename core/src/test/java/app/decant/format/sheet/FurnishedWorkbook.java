package app.decant.format.sheet;

import app.decant.document.Colour;
import app.decant.document.Facts;
import app.decant.document.Image;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Picture;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.sheet.Cell;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellCheck.Kind;
import app.decant.sheet.CellCheck.Strictness;
import app.decant.sheet.CellCheck.Words;
import app.decant.sheet.CellNote;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetFilter;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetMatter;
import app.decant.sheet.SheetObject;
import app.decant.sheet.SheetView;
import app.decant.sheet.Workbook;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.imageio.ImageIO;
import org.apache.poi.poifs.crypt.CryptoFunctions;

/** A workbook that has one of everything that may belong to a sheet beside its values. */
final class FurnishedWorkbook {
    static final List<CellCheck> CHECKS = List.of(
            new CellCheck(List.of(new Range(1, 1, 40, 1)), Kind.WHOLE_NUMBER, Comparison.BETWEEN, "1", "90", true, true, new Words("Age", "In full years"),
                    new Words("No age", "Between 1 and 90"), Strictness.STOP),
            new CellCheck(List.of(new Range(1, 2, 9, 2), new Range(12, 2, 14, 2)), Kind.LIST, Comparison.BETWEEN, "\"Adult,Child,Both\"", null, false,
                    true, null,
                    new Words("", "One of the list"), Strictness.WARN),
            new CellCheck(List.of(new Range(1, 3, 9, 3)), Kind.LIST, Comparison.BETWEEN, "Lines!$A$1:$A$3", null, true, false, null, null, Strictness.TELL),
            new CellCheck(List.of(new Range(1, 4, 9, 4)), Kind.NUMBER, Comparison.AT_MOST, "$B$2*2", null, true, true, null, null, Strictness.STOP),
            new CellCheck(List.of(new Range(1, 5, 9, 5)), Kind.LENGTH, Comparison.OUTSIDE, "3", "5", true, true, null, null, Strictness.STOP),
            new CellCheck(List.of(new Range(1, 6, 9, 6)), Kind.FORMULA, Comparison.BETWEEN, "ISNUMBER(G2)", null, true, true, null, null, Strictness.STOP),
            new CellCheck(List.of(new Range(20, 7, 20, 9)), Kind.DAY, Comparison.MORE, "46023", null, true, true, null, null, Strictness.STOP),
            new CellCheck(List.of(new Range(21, 7, 21, 9)), Kind.TIME, Comparison.LESS, "0.5", null, true, true, null, null, Strictness.SILENT));

    static final List<CellNote> NOTES = List.of(new CellNote(0, 0, "Ada Quay", "Ask the harbour master\nbefore winter"), new CellNote(30, 5, "",
            "On an empty cell"));

    /** Of the password "quay", as older files tell it; reckoned by POI in the test. */
    static final int SHORT_KEY = CryptoFunctions.createXorVerifier1("quay");

    private FurnishedWorkbook() { }

    static byte[] pixels(Color colour) {
        BufferedImage image = new BufferedImage(40, 20, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 40; x++) for (int y = 0; y < 20; y++) image.setRGB(x, y, colour.getRGB());
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    static SheetObject picture() {
        Picture picture = new Picture(new Image("image/png", pixels(Color.RED)), 90, 45, "The ferry");
        return new SheetObject(SheetObject.Kind.PICTURE, new Range(2, 8, 4, 9), 6, 3, 36, 12, picture);
    }

    static CellValue.Text stretched() {
        Look red = Look.of(TextProperty.BOLD, true).with(TextProperty.COLOUR, new Colour(0xC00000));
        return new CellValue.Text("Winter fares apply  now", List.of(new CellValue.Stretch(0, 6, red),
                new CellValue.Stretch(13, 18, Look.of(TextProperty.ITALIC, true).with(TextProperty.UNDERLINE, Underline.SINGLE)),
                new CellValue.Stretch(20, 23, Look.of(TextProperty.SCRIPT, Script.SUPER))));
    }

    static Workbook workbook(SheetLock lock) {
        Look plain = Look.of(TextProperty.FAMILY, "Carlito").with(TextProperty.SIZE, 11.0);
        List<CellStyle> styles = List.of(CellStyle.PLAIN.lettered(plain), CellStyle.PLAIN.lettered(plain).open(true), CellStyle.PLAIN.lettered(plain)
                .showing("0.00"));
        List<Row> rows = new ArrayList<>();
        rows.add(new Row(0, 20, false, List.of(new Cell(0, stretched(), 0), new Cell(1, new CellValue.Text("There"), null, null, 0,
                new Link.Inside("Lines!A2")),
                new Cell(2, new CellValue.Text("Out"), null, null, 0, new Link.Address("https://fernhollow.example/fares")))));
        for (int r = 1; r < 10; r++) rows.add(new Row(r, 15, r == 5, r < 4 ? 0 : r < 6 ? 2 : 1, List.of(new Cell(0, new CellValue.Text("Line " + r), r % 2),
                new Cell(1, new CellValue.Number(10 + r), 2))));
        rows.add(new Row(11, 15, false, List.of(new Cell(1, new CellValue.Number(22), "B2:B4*2", new Range(11, 1, 13, 1), 0, null))));
        rows.add(new Row(12, 15, false, List.of(new Cell(1, new CellValue.Number(24), 0))));
        rows.add(new Row(13, 15, false, List.of(new Cell(1, new CellValue.Number(26), 0))));
        PageSetup setup = new PageSetup(PageSetup.PLAIN.page(), 1, 1, 1, false, false, false, false, false, false, List.of(), null, null, List.of(6, 30),
                List.of(4),
                null, null);
        SheetMatter matter = new SheetMatter(new SheetView(1, 2, false, false, 1, null), NOTES, CHECKS, new SheetFilter(new Range(0, 0, 9, 1), Map.of()),
                lock);
        List<Column> columns = List.of(new Column(0, 0, 120, false), new Column(1, 2, 60, false, 1, 2), new Column(3, 3, 60, true, 2, 0));
        Sheet fares = new Sheet("It's fares", false, 48, 15, columns, rows, List.of(), setup, List.of(picture()), List.of(), matter);
        List<Row> lines = new ArrayList<>();
        for (int r = 0; r < 3; r++) lines.add(new Row(r, 15, false, List.of(new Cell(0, new CellValue.Text("Quay " + (r + 1)), 0))));
        Sheet second = new Sheet("Lines", false, 48, 15, List.of(), lines, List.of(), PageSetup.PLAIN);
        return new Workbook(List.of(fares, second), styles, Map.of(), Facts.NONE, false);
    }

    static SheetLock lock() { return new SheetLock(null, SHORT_KEY, SheetLock.USUAL); }

    static SheetLock strong() {
        return new SheetLock(new SheetLock.Key("SHA-512", "c2FtcGxl", "c2FsdA==", 100_000), 0, Set.of(SheetLock.Allowed.PICK_OPEN, SheetLock.Allowed.SORT,
                SheetLock.Allowed.FORMAT_CELLS, SheetLock.Allowed.OBJECTS));
    }
}
