package app.decant.format.shape;

import app.decant.document.Colour;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShadingType2;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShadingType3;

/**
 * Colours that run into each other over an area.
 *
 * @param angle in degrees, clockwise, in which they run: 0 from left to right
 * @param round whether they run from the middle outwards instead
 * @param stops in their order, at least two
 */
public record Blend(double angle, boolean round, List<Stop> stops) {
    /** @param at from 0, where the run begins, to 1 */
    public record Stop(double at, Colour colour) { }

    public Blend {
        stops = List.copyOf(stops);
        if (stops.size() < 2) throw new IllegalArgumentException("One colour runs nowhere");
    }

    /** What paints it (ISO 32000-2, 8.7.4.5.3 and 8.7.4.5.4). @param box the area, before it is brought to its page */
    PDShading shading(Rectangle2D box, AffineTransform onPage) {
        Point2D middle = onPage.transform(new Point2D.Double(box.getCenterX(), box.getCenterY()), null);
        PDShading shading;
        if (round) {
            double reach = Math.hypot(box.getWidth(), box.getHeight()) / 2;
            shading = new PDShadingType3(new COSDictionary());
            ((PDShadingType3) shading).setCoords(numbers(middle.getX(), middle.getY(), 0, middle.getX(), middle.getY(), reach));
            shading.setShadingType(PDShading.SHADING_TYPE3);
        } else {
            double across = Math.cos(Math.toRadians(angle));
            double down = Math.sin(Math.toRadians(angle));
            double half = (Math.abs(box.getWidth() * across) + Math.abs(box.getHeight() * down)) / 2;
            Point2D from = onPage.transform(new Point2D.Double(box.getCenterX() - across * half, box.getCenterY() - down * half), null);
            Point2D to = onPage.transform(new Point2D.Double(box.getCenterX() + across * half, box.getCenterY() + down * half), null);
            shading = new PDShadingType2(new COSDictionary());
            ((PDShadingType2) shading).setCoords(numbers(from.getX(), from.getY(), to.getX(), to.getY()));
            shading.setShadingType(PDShading.SHADING_TYPE2);
        }
        shading.setColorSpace(PDDeviceRGB.INSTANCE);
        shading.getCOSObject().setItem(COSName.FUNCTION, function());
        COSArray beyond = new COSArray();
        beyond.add(COSBoolean.TRUE);
        beyond.add(COSBoolean.TRUE);
        shading.getCOSObject().setItem(COSName.EXTEND, beyond);
        return shading;
    }

    private static COSArray numbers(double... values) {
        COSArray numbers = new COSArray();
        for (double value : values) numbers.add(new COSFloat((float) value));
        return numbers;
    }

    /** From stop to stop, each a straight run (ISO 32000-2, 7.10.3 and 7.10.4). */
    private COSDictionary function() {
        COSArray runs = new COSArray();
        COSArray bounds = new COSArray();
        COSArray ends = new COSArray();
        double last = 0;
        for (int i = 0; i + 1 < stops.size(); i++) {
            COSDictionary run = new COSDictionary();
            run.setInt(COSName.FUNCTION_TYPE, 2);
            run.setItem(COSName.DOMAIN, numbers(0, 1));
            run.setItem(COSName.C0, parts(stops.get(i).colour));
            run.setItem(COSName.C1, parts(stops.get(i + 1).colour));
            run.setItem(COSName.N, COSInteger.ONE);
            runs.add(run);
            // Bounds rise.
            last = Math.max(last + 0.0001, Math.min(0.9999, stops.get(i + 1).at));
            if (i + 2 < stops.size()) bounds.add(new COSFloat((float) last));
            ends.add(COSInteger.ZERO);
            ends.add(COSInteger.ONE);
        }
        COSDictionary function = new COSDictionary();
        function.setInt(COSName.FUNCTION_TYPE, 3);
        function.setItem(COSName.DOMAIN, numbers(0, 1));
        function.setItem(COSName.FUNCTIONS, runs);
        function.setItem(COSName.BOUNDS, bounds);
        function.setItem(COSName.ENCODE, ends);
        return function;
    }

    private static COSArray parts(Colour colour) { return numbers(colour.red() / 255.0, colour.green() / 255.0, colour.blue() / 255.0); }
}
