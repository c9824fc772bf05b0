package app.decant.desktop.revise;

import app.decant.desktop.part.LengthField;
import app.decant.desktop.part.LengthField.Unit;
import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStop.Kind;
import app.decant.document.ParagraphProperty.TabStop.Leader;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** The places that tabs lead to: those there are, each to be taken out, and a new one by its distance, how text meets it and what fills the way. */
final class TabRow {
    private final Desk desk;
    private final FlowPane stops = new FlowPane(6, 6);
    private final ComboBox<Kind> kind = choice("tabs.kind", Kind.START, Kind.CENTRE, Kind.END, Kind.DECIMAL);
    private final ComboBox<Leader> leader = choice("tabs.leader", Leader.NONE, Leader.DOTS, Leader.HYPHENS, Leader.LINE);
    private final LengthField position;
    private final VBox box;
    private TabStops present = new TabStops(List.of());

    TabRow(Desk desk) {
        this.desk = desk;
        position = new LengthField("tabs-position", Words.of("tabs.position"), Unit.MILLIMETRES, 1, this::add);
        position.setPromptText("mm");
        box = new VBox(6, new Label(Words.of("tabs")), stops, new HBox(6, position, kind, leader));
    }

    Node node() { return box; }

    @SafeVarargs private static <E extends Enum<E>> ComboBox<E> choice(String key, E... values) {
        ComboBox<E> choice = new ComboBox<>();
        choice.setId(key.replace('.', '-'));
        choice.setAccessibleText(Words.of(key));
        choice.setMinWidth(72);
        choice.getItems().setAll(values);
        choice.setConverter(new StringConverter<>() {
            @Override public String toString(E value) { return value == null ? "" : words(key, value); }
            @Override public E fromString(String text) { return null; }
        });
        choice.setValue(values[0]);
        return choice;
    }

    private static String words(String key, Enum<?> value) { return Words.of(key + "." + value.name().toLowerCase(Locale.ROOT)); }

    private void add(double points) {
        List<TabStop> all = new ArrayList<>(present.stops());
        all.removeIf(stop -> Math.abs(stop.position() - points) < 0.5);
        all.add(new TabStop(points, kind.getValue(), leader.getValue()));
        PickedLook.paragraphs(desk, ParagraphProperty.TABS, new TabStops(all));
    }

    private void remove(TabStop gone) {
        List<TabStop> all = new ArrayList<>(present.stops());
        all.remove(gone);
        // Where the style has it too, that has to be said.
        all.add(new TabStop(gone.position(), Kind.CLEAR, Leader.NONE));
        PickedLook.paragraphs(desk, ParagraphProperty.TABS, new TabStops(all));
    }

    /** @param there may be null */
    void tell(TabStops there) {
        position.show(Double.NaN);
        TabStops now = there == null ? new TabStops(List.of()) : there;
        if (now.equals(present) && stops.getChildren().size() > 0) return;
        present = now;
        stops.getChildren().clear();
        for (TabStop stop : present.stops()) {
            if (stop.kind() == Kind.CLEAR) continue;
            String words = Unit.MILLIMETRES.of(stop.position()) + " mm " + words("tabs.kind", stop.kind());
            Button button = new Button((stop.leader() == Leader.NONE ? words : words + " " + words("tabs.leader", stop.leader())) + " \u00D7");
            button.getStyleClass().addAll("look-button", "small-button", "word-button");
            button.setAccessibleText(Words.of("tabs.out", words));
            button.setOnAction(event -> remove(stop));
            stops.getChildren().add(button);
        }
    }
}
