package app.decant.desktop.revise;

import app.decant.desktop.part.EnumWords;
import app.decant.desktop.part.LengthField;
import app.decant.desktop.part.More;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.document.Document;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.edit.Change;
import app.decant.edit.Pictures;
import app.decant.edit.Placing;
import app.decant.edit.TextSelection;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.DoubleConsumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** How the picture that is picked stands to the text, where on its page, and what of it is cut off: all that the mouse does, in fields. */
final class PicturePlace {
    private final Window window;
    private final Desk desk;
    private final ComboBox<Placing> standing = new ComboBox<>();
    private final LengthField fromLeft;
    private final LengthField fromTop;
    private final GridPane edges;
    private final List<LengthField> cuts;
    private final VBox box;
    private boolean telling;

    PicturePlace(Window window) {
        this.window = window;
        desk = window.desk();
        standing.setId("picture-standing");
        standing.setAccessibleText(Words.of("picture.standing"));
        standing.getItems().setAll(Placing.values());
        standing.setConverter(new EnumWords<>("placing."));
        standing.setMaxWidth(Double.MAX_VALUE);
        standing.setOnAction(event -> {
            if (!telling && standing.getValue() != null) change((document, picked) -> Pictures.place(document, picked, standing.getValue()));
        });
        fromLeft = field("from-left", points -> carry(points, Double.NaN));
        fromTop = field("from-top", points -> carry(Double.NaN, points));
        edges = new GridPane(8, 6);
        edges.addRow(0, More.label("picture.from-left"), fromLeft, new Label("mm"));
        edges.addRow(1, More.label("picture.from-top"), fromTop, new Label("mm"));
        edges.add(laid(window, "picture"), 0, 2, 3, 1);
        edges.managedProperty().bind(edges.visibleProperty());
        cuts = List.of(cut("cut-left", 0), cut("cut-right", 1), cut("cut-top", 2), cut("cut-bottom", 3));
        GridPane grid = new GridPane(8, 6);
        List<String> sides = List.of("picture.cut-left", "picture.cut-right", "picture.cut-top", "picture.cut-bottom");
        for (int i = 0; i < cuts.size(); i++) grid.addRow(i, More.label(sides.get(i)), cuts.get(i), new Label("mm"));
        box = new VBox(10, standing, edges, new More("picture.cut", grid));
    }

    Node node() { return box; }

    /** What lies over all else, and what under it. */
    static Node laid(Window window, String of) {
        HBox acts = new HBox(8);
        for (String one : List.of("over", "under")) {
            Button act = new Button(Words.of("float." + one));
            act.setId(of + "-" + one);
            act.setOnAction(event -> window.commands().named("float." + one).run());
            acts.getChildren().add(act);
        }
        return acts;
    }

    private static LengthField field(String name, DoubleConsumer heard) {
        return new LengthField("picture-" + name, Words.of("picture." + name), LengthField.Unit.MILLIMETRES, 0, heard);
    }

    private LengthField cut(String name, int side) { return field(name, points -> cut(side, points)); }

    void tell(Picture picture) {
        telling = true;
        Placing placing = Pictures.placing(desk.document(), desk.selection().get());
        standing.setValue(placing);
        telling = false;
        PageTable.Framed frame = window.table().framed();
        edges.setVisible(placing != null && placing != Placing.IN_LINE && frame != null);
        fromLeft.show(frame == null ? Double.NaN : frame.left());
        fromTop.show(frame == null ? Double.NaN : frame.top());
        Insets crop = picture.crop();
        double wide = picture.width() / Math.max(0.01, 1 - crop.left() - crop.right());
        double high = picture.height() / Math.max(0.01, 1 - crop.top() - crop.bottom());
        double[] shares = {crop.left() * wide, crop.right() * wide, crop.top() * high, crop.bottom() * high};
        for (int i = 0; i < shares.length; i++) cuts.get(i).show(shares[i]);
    }

    private void change(BiFunction<Document, TextSelection, Change> change) {
        TextSelection picked = desk.selection().get();
        if (Pictures.picked(desk.document(), picked) != null) desk.apply(change.apply(desk.document(), picked));
    }

    /** Carries it to an edge; NaN leaves the other as it is. */
    private void carry(double left, double top) {
        PageTable.Framed frame = window.table().framed();
        if (frame == null) return;
        double across = Double.isNaN(left) ? frame.left() : left;
        double down = Double.isNaN(top) ? frame.top() : top;
        change((document, picked) -> Pictures.move(document, picked, across - frame.left(), down - frame.top(), across, down));
    }

    private void cut(int side, double points) {
        Picture picture = Pictures.picked(desk.document(), desk.selection().get());
        if (picture == null) return;
        Insets crop = picture.crop();
        double wide = picture.width() / Math.max(0.01, 1 - crop.left() - crop.right());
        double high = picture.height() / Math.max(0.01, 1 - crop.top() - crop.bottom());
        Insets wished = switch (side) {
            case 0 -> new Insets(crop.top(), crop.right(), crop.bottom(), points / wide);
            case 1 -> new Insets(crop.top(), points / wide, crop.bottom(), crop.left());
            case 2 -> new Insets(points / high, crop.right(), crop.bottom(), crop.left());
            default -> new Insets(crop.top(), crop.right(), points / high, crop.left());
        };
        // Of a picture something has to be left.
        if (wished.left() + wished.right() > 0.95 || wished.top() + wished.bottom() > 0.95) tell(picture);
        else change((document, picked) -> Pictures.crop(document, picked, wished));
    }
}
