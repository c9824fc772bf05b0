package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.StreamOperators;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.util.List;
import org.apache.pdfbox.cos.COSNumber;

/** The operators of a path (ISO 32000-2, 8.5.2) where all its points below some heights of the page are moved down by as much, up where that is below 0. */
final class StretchedPath {
    private final AffineTransform place;
    private final AffineTransform back;
    private final List<Step> steps;

    /** What is below a height of the page goes down so many points. */
    record Step(double height, double by) {
        /** Where a height of the page is once steps are taken, each of which is told as the page was. */
        static double moved(List<Step> steps, double y) { return y + steps.stream().filter(step -> y > step.height).mapToDouble(Step::by).sum(); }
    }

    /**
     * @param place from the path's own space to points from the page's top left corner
     * @param steps in such points
     */
    StretchedPath(AffineTransform place, List<Step> steps) throws Refused {
        this.place = place;
        this.steps = steps;
        try {
            back = place.createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new Refused(Message.of("keep.its-stream-is-damaged"));
        }
    }

    String of(StreamOperators.Found operator) throws Refused {
        double[] numbers = new double[operator.operands().size()];
        for (int i = 0; i < numbers.length; i++) {
            if (!(operator.operands().get(i) instanceof COSNumber number)) throw new Refused(Message.of("keep.its-stream-is-damaged"));
            numbers[i] = number.floatValue();
        }
        if (operator.name().equals("re") && numbers.length == 4) {
            double right = numbers[0] + numbers[2];
            double top = numbers[1] + numbers[3];
            return "\n" + point(numbers[0], numbers[1]) + "m " + point(right, numbers[1]) + "l " + point(right, top) + "l " + point(numbers[0], top) + "l h";
        }
        StringBuilder moved = new StringBuilder("\n");
        for (int i = 0; i + 1 < numbers.length; i += 2) moved.append(point(numbers[i], numbers[i + 1]));
        return moved.append(operator.name()).toString();
    }

    private String point(double x, double y) {
        Point2D at = place.transform(new Point2D.Double(x, y), null);
        at.setLocation(at.getX(), Step.moved(steps, at.getY()));
        back.transform(at, at);
        return TextRewriting.number(at.getX()) + " " + TextRewriting.number(at.getY()) + " ";
    }
}
