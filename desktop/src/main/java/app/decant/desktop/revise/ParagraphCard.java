package app.decant.desktop.revise;

import app.decant.desktop.part.EnumWords;
import app.decant.desktop.part.LengthField;
import app.decant.desktop.part.LengthField.Unit;
import app.decant.desktop.part.More;
import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.Property;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.util.StringConverter;

/** How paragraphs stand: how far in, how far apart, what holds them together, shade and lines round them. One click further than what is done daily. */
final class ParagraphCard {
    private static final double INWARD = -500;
    private static final Border LINE = new Border(Border.Line.SINGLE, 0.75, Colour.AUTOMATIC, 4);
    private static final LineSpacing[] SPACINGS = {LineSpacing.SINGLE, new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.15),
        new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.5), new LineSpacing(LineSpacing.Rule.MULTIPLE, 2)};

    private final Desk desk;
    private final Map<Property<Double>, LengthField> lengths = new LinkedHashMap<>();
    private final Map<Property<Boolean>, CheckBox> ticks = new LinkedHashMap<>();
    private final ComboBox<LineSpacing> lines = new ComboBox<>();
    private final ComboBox<Frame> frame = new ComboBox<>();
    private final ColourRow shade;
    private final TabRow tabs;
    private final More more;
    private Look shown = Look.PLAIN;
    private boolean telling;

    /** Lines drawn round a paragraph. */
    private enum Frame {
        NONE(null), BOX(new Borders(LINE, LINE, LINE, LINE, null, null)), ABOVE(new Borders(LINE, null, null, null, null, null)),
                BELOW(new Borders(null, null, LINE, null, null, null)), OTHER(null);

        private final Borders borders;

        Frame(Borders borders) { this.borders = borders; }

        static Frame of(Borders borders) {
            if (borders == null || !isSeen(borders.top()) && !isSeen(borders.bottom()) && !isSeen(borders.left()) && !isSeen(borders.right())) return NONE;
            for (Frame frame : values()) {
                Borders own = frame.borders;
                if (own != null && isSeen(own.top()) == isSeen(borders.top()) && isSeen(own.bottom()) == isSeen(borders.bottom())
                        && isSeen(own.left()) == isSeen(borders.left()) && isSeen(own.right()) == isSeen(borders.right())) return frame;
            }
            return OTHER;
        }

        private static boolean isSeen(Border border) { return border != null && border.isVisible(); }
    }

    ParagraphCard(Desk desk) {
        this.desk = desk;
        GridPane grid = new GridPane();
        grid.setHgap(8);
        grid.setVgap(6);
        length(grid, 0, ParagraphProperty.INDENT_START, "start", Unit.MILLIMETRES, INWARD);
        length(grid, 1, ParagraphProperty.INDENT_END, "end", Unit.MILLIMETRES, INWARD);
        length(grid, 2, ParagraphProperty.FIRST_LINE, "first", Unit.MILLIMETRES, INWARD);
        length(grid, 3, ParagraphProperty.SPACE_BEFORE, "before", Unit.POINTS, 0);
        length(grid, 4, ParagraphProperty.SPACE_AFTER, "after", Unit.POINTS, 0);
        lines.setId("paragraph-lines");
        lines.setAccessibleText(Words.of("paragraph.lines"));
        lines.getItems().setAll(SPACINGS);
        lines.setConverter(converter());
        lines.setOnAction(event -> {
            if (!telling && lines.getValue() != null) PickedLook.paragraphs(desk, ParagraphProperty.LINE_SPACING, lines.getValue());
        });
        frame.setId("paragraph-frame");
        frame.setAccessibleText(Words.of("paragraph.frame"));
        frame.getItems().setAll(Frame.NONE, Frame.BOX, Frame.ABOVE, Frame.BELOW);
        frame.setConverter(new EnumWords<>("paragraph.frame."));
        frame.setOnAction(event -> {
            if (!telling && frame.getValue() != null && frame.getValue() != Frame.OTHER) frame(frame.getValue());
        });
        grid.addRow(5, More.label("paragraph.lines"), lines);
        grid.addRow(6, More.label("paragraph.frame"), frame);
        shade = new ColourRow("paragraph.shade", colour -> PickedLook.paragraphs(desk, ParagraphProperty.SHADING, colour));
        tabs = new TabRow(desk);
        more = new More("paragraph.more", grid, shade.node(), tick(ParagraphProperty.KEEP_WITH_NEXT, "with.next"),
                tick(ParagraphProperty.KEEP_TOGETHER, "together"), tick(ParagraphProperty.PAGE_BREAK_BEFORE, "new.page"),
                tick(ParagraphProperty.WIDOW_CONTROL, "no.lone.lines"), tick(ParagraphProperty.HYPHENATION, "parts.words"), tabs.node());
        more.whenOpened(this::tell);
    }

    Node node() { return more; }

    private void length(GridPane grid, int row, Property<Double> property, String name, Unit unit, double least) {
        String words = Words.of("paragraph." + name);
        LengthField field = new LengthField("paragraph-" + name, words, unit, least, points -> PickedLook.paragraphs(desk, property, points));
        lengths.put(property, field);
        HBox box = new HBox(6, field, new Label(unit == Unit.POINTS ? "pt" : "mm"));
        box.setAlignment(Pos.CENTER_LEFT);
        grid.addRow(row, More.label("paragraph." + name), box);
    }

    private CheckBox tick(Property<Boolean> property, String name) {
        CheckBox box = new CheckBox(Words.of("paragraph." + name));
        box.setId("paragraph-" + name.replace('.', '-'));
        box.setOnAction(event -> {
            if (!telling) PickedLook.paragraphs(desk, property, box.isSelected());
        });
        ticks.put(property, box);
        return box;
    }

    private void frame(Frame wanted) {
        // Where a style draws lines, none has to be said.
        Borders none = new Borders(Border.NONE, Border.NONE, Border.NONE, Border.NONE, null, null);
        PickedLook.paragraphs(desk, ParagraphProperty.BORDERS, wanted == Frame.NONE ? none : wanted.borders.over(none));
    }

    private static StringConverter<LineSpacing> converter() {
        return new StringConverter<>() {
            @Override public String toString(LineSpacing spacing) {
                if (spacing == null) return "";
                String value = Unit.POINTS.of(spacing.value());
                if (spacing.rule() == LineSpacing.Rule.MULTIPLE)
                    return Words.of("paragraph.lines.times", Math.rint(spacing.value() * 100) / 100);
                return Words.of(spacing.rule() == LineSpacing.Rule.EXACTLY ? "paragraph.lines.exactly" : "paragraph.lines.least", value);
            }
            @Override public LineSpacing fromString(String text) { return null; }
        };
    }

    /** @param look of the paragraph at the caret, all that lies below it included */
    void tell(Look look) {
        shown = look;
        if (more.isOpen()) tell();
    }

    private void tell() {
        Look look = shown;
        telling = true;
        lengths.forEach((property, field) -> field.show(look.get(property, 0.0)));
        ticks.forEach((property, box) -> box.setSelected(look.get(property, property == ParagraphProperty.WIDOW_CONTROL)));
        LineSpacing spacing = Objects.requireNonNullElse(look.get(ParagraphProperty.LINE_SPACING), LineSpacing.SINGLE);
        if (!lines.getItems().contains(spacing)) lines.getItems().add(spacing);
        lines.setValue(spacing);
        Frame drawn = Frame.of(look.get(ParagraphProperty.BORDERS));
        if (!frame.getItems().contains(drawn)) frame.getItems().add(drawn);
        frame.setValue(drawn);
        shade.tell(look.get(ParagraphProperty.SHADING));
        tabs.tell(look.get(ParagraphProperty.TABS));
        telling = false;
    }
}
