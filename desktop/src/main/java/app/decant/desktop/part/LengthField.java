package app.decant.desktop.part;

import java.util.function.DoubleConsumer;
import javafx.scene.control.TextField;

/** A field for a length, shown in the unit that people use for it; Enter or going on takes it, what is no length is put back as it was. */
public final class LengthField extends TextField {
    private static final double FARTHEST = 1600;

    private final Unit unit;
    private double shown = Double.NaN;

    /** What lengths are shown in. */
    public enum Unit {
        MILLIMETRES(72 / 25.4), POINTS(1);

        private final double points;

        Unit(double points) { this.points = points; }

        /** A length in this unit, as people write it. */
        public String of(double length) {
            double value = Math.round(length / points * 10) / 10.0;
            return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
        }
    }

    /**
     * @param least in points
     * @param heard told what was written, in points
     */
    public LengthField(String id, String words, Unit unit, double least, DoubleConsumer heard) {
        this.unit = unit;
        setId(id);
        setAccessibleText(words);
        setPrefColumnCount(4);
        setOnAction(event -> take(least, heard));
        focusedProperty().addListener((observed, was, now) -> {
            if (!now) take(least, heard);
        });
    }

    /** Shows a length in points; NaN where there is none to be shown. */
    public void show(double points) {
        if (isFocused() && points == shown) return;
        shown = points;
        setText(Double.isNaN(points) ? "" : unit.of(points));
    }

    private void take(double least, DoubleConsumer heard) {
        String now = getText().trim();
        if (now.equals(Double.isNaN(shown) ? "" : unit.of(shown))) return;
        try {
            double points = Double.parseDouble(now.replace(',', '.')) * unit.points;
            if (points >= least && points <= FARTHEST) {
                shown = points;
                heard.accept(points);
                return;
            }
        } catch (NumberFormatException e) {
            // What is no number leaves the length as it was.
        }
        setText(Double.isNaN(shown) ? "" : unit.of(shown));
    }
}
