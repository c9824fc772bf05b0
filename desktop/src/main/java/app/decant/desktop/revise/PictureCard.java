package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.edit.Change;
import app.decant.edit.Pictures;
import app.decant.edit.TextSelection;
import app.decant.pdf.PdfStyle;
import app.decant.picture.PictureDecoder;
import app.decant.picture.PictureFile;
import app.decant.picture.PictureTurn;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.words.Message;
import java.awt.image.BufferedImage;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Objects;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.slf4j.LoggerFactory;

/** The part of the slip that is there while a picture is picked: how large it is, what is said of it, and another in its place. */
public final class PictureCard {
    private static final double MILLIMETRE = 72 / 25.4;

    private final Window window;
    private final Desk desk;
    private final VBox box;
    private final Label about = new Label();
    private final TextField width = new TextField();
    private final TextArea description = new TextArea();
    private final CheckBox ornament = new CheckBox(Words.of("picture.ornament"));
    private final PicturePlace place;
    private Picture shown;

    PictureCard(Window window) {
        this.window = window;
        desk = window.desk();
        about.getStyleClass().add("quiet");
        about.setWrapText(true);
        width.setId("picture-width");
        width.setPrefColumnCount(5);
        width.setAccessibleText(Words.of("picture.width"));
        width.setOnAction(event -> resize());
        width.focusedProperty().addListener((observed, was, now) -> {
            if (!now) resize();
        });
        description.setId("picture-description");
        description.setPromptText(Words.of("picture.description"));
        description.setAccessibleText(Words.of("picture.description"));
        description.setPrefRowCount(3);
        description.setWrapText(true);
        description.focusedProperty().addListener((observed, was, now) -> {
            if (!now) describe();
        });
        ornament.setId("picture-ornament");
        ornament.setOnAction(event -> {
            description.setText("");
            describe(ornament.isSelected() ? "" : null);
        });
        description.disableProperty().bind(ornament.selectedProperty());
        Button replace = new Button(Words.of("picture.replace"));
        replace.setId("picture-replace");
        replace.setOnAction(event -> window.commands().named("picture.replace").run());
        Button turn = new Button(Words.of("picture.turn"));
        turn.setId("picture-turn");
        turn.setOnAction(event -> window.commands().named("picture.turn").run());
        FlowPane acts = new FlowPane(8, 8, replace, turn);
        HBox size = new HBox(8, new Label(Words.of("picture.width")), width, new Label("mm"));
        size.setAlignment(Pos.CENTER_LEFT);
        place = new PicturePlace(window);
        VBox card = new VBox(10, about, size, place.node(), description, ornament, acts);
        card.getStyleClass().add("card");
        box = new VBox(card);
        box.managedProperty().bind(box.visibleProperty());
        box.setVisible(false);
    }

    VBox node() { return box; }

    /** Whether a picture is picked. */
    boolean tell() {
        Picture picture = Pictures.picked(desk.document(), desk.selection().get());
        box.setVisible(picture != null);
        if (picture != null) place.tell(picture);
        if (picture == shown) return picture != null;
        // What was written about the one before still goes to it.
        shown = picture;
        if (picture == null) return false;
        width.setText(millimetres(picture.width()));
        description.setText(Objects.requireNonNullElse(picture.description(), ""));
        ornament.setSelected(picture.isOrnament());
        about.setText(Words.of("picture.size", millimetres(picture.width()), millimetres(picture.height())));
        Recipe recipe = window.recipe();
        desk.aside(() -> {
            String pixels = pixels(picture, recipe);
            Platform.runLater(() -> {
                if (shown == picture) about.setText(Words.of("picture.size", millimetres(picture.width()), millimetres(picture.height())) + pixels);
            });
        });
        return true;
    }

    private static String millimetres(double points) { return String.valueOf(Math.round(points / MILLIMETRE)); }

    /** Its pixels, how fine they are, and what publishing will make of them; nothing for drawings and what can't be decoded. */
    private static String pixels(Picture picture, Recipe recipe) {
        if (PictureDecoder.isDrawing(picture.image())) return "";
        try {
            BufferedImage pixels = PictureDecoder.decode(picture.image(), 96);
            double across = picture.width() / Math.max(0.01, 1 - picture.crop().left() - picture.crop().right());
            long fine = Math.round(pixels.getWidth() * 72 / across);
            return Words.of("picture.pixels", pixels.getWidth(), pixels.getHeight(), fine) + published(recipe, fine);
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(PictureCard.class).debug("A picture tells no pixels", e);
            return "";
        }
    }

    private static String published(Recipe recipe, long fine) {
        if (recipe.target() != Target.PDF) return "";
        PdfStyle style = recipe.style();
        int resolution = style.pictures().resolution();
        if (resolution > 0 && resolution < fine) return Words.of("picture.published.coarser", resolution);
        return Words.of(style.pictures().quality() > 0 ? "picture.published.jpeg" : "picture.published.exact");
    }

    private void resize() {
        if (!box.isVisible() || shown == null || width.getText().equals(millimetres(shown.width()))) return;
        try {
            double wanted = Double.parseDouble(width.getText().trim().replace(',', '.')) * MILLIMETRE;
            if (wanted >= 4 && wanted <= 2000) {
                TextSelection place = Pictures.find(desk.document(), shown);
                if (place != null) desk.apply(Pictures.resize(desk.document(), place, wanted));
                return;
            }
        } catch (NumberFormatException e) {
            // What is not a number leaves the width as it was.
        }
        width.setText(millimetres(shown.width()));
    }

    private void describe() {
        if (shown == null || description.getText().equals(Objects.requireNonNullElse(shown.description(), ""))) return;
        describe(description.getText().isBlank() ? null : description.getText());
    }

    private void describe(String words) {
        TextSelection place = shown == null ? null : Pictures.find(desk.document(), shown);
        if (place != null) desk.apply(Pictures.describe(desk.document(), place, words));
    }

    private void change(BiFunction<Document, TextSelection, Change> change) {
        desk.apply(change.apply(desk.document(), desk.selection().get()));
    }

    /** Whether a picture is picked, for commands. */
    public boolean isOn() {
        return desk.document() != null && desk.selection().get() != null && Pictures.picked(desk.document(), desk.selection().get()) != null;
    }

    /** Whether the picture that is picked can be turned: one with words under it would lose them. */
    public boolean turns() { return isOn() && Pictures.picked(desk.document(), desk.selection().get()).words().isEmpty(); }

    /** Turns the picture that is picked by a quarter. */
    public void turn() {
        Picture picture = Pictures.picked(desk.document(), desk.selection().get());
        desk.aside(() -> {
            try {
                Image turned = PictureTurn.clockwise(picture.image());
                Platform.runLater(() -> desk.inOrder(() -> {
                    boolean same = Pictures.picked(desk.document(), desk.selection().get()) == picture;
                    if (!same) return;
                    change((document, picked) -> Pictures.turn(document, picked, turned));
                    // It may have no room any more where it stood.
                    desk.whenLaidOut(() -> window.table().pick(desk.selection().get(), true));
                }));
            } catch (DecantException e) {
                Platform.runLater(() -> desk.trouble().set(e));
            }
        });
    }

    /** Asks for a file, and puts it in the place of the picture that is picked. */
    public void chooseOther() { choose(this::replace); }

    /** Asks for a file, and puts it in at the caret. */
    public void chooseNew() { choose(this::insert); }

    private void choose(Consumer<Path> use) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of("picture.choose"));
        File folder = new File(window.settings().text("pictureFolder", System.getProperty("user.home")));
        if (folder.isDirectory()) chooser.setInitialDirectory(folder);
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(Words.of("picture.files"), Arrays.stream(PictureFile.ENDINGS).map(one -> "*." + one)
                .toList()));
        File file = chooser.showOpenDialog(window.stage());
        if (file == null) return;
        window.settings().set("pictureFolder", file.getParent());
        use.accept(file.toPath());
    }

    /** Another picture in the place of the one that is picked. */
    public void replace(Path file) {
        read(file, picture -> change((document, picked) -> Pictures.replace(document, picked, picture.image(), picture.across(), picture.down())));
    }

    /** A picture put in at the caret, as large as it is or as there is room. */
    public void insert(Path file) { read(file, this::insert); }

    /** The same of one that is read already. */
    public void insert(PictureFile picture) {
        double wide = picture.width(Pictures.room(desk.document(), desk.selection().get().head()));
        change((document, picked) -> Pictures.insert(document, picked, picture.image(), wide, wide * picture.down() / picture.across()));
    }

    private void read(Path file, Consumer<PictureFile> use) {
        desk.aside(() -> {
            try {
                PictureFile picture = PictureFile.read(Files.readAllBytes(file), file.getFileName().toString());
                Platform.runLater(() -> desk.inOrder(() -> use.accept(picture)));
            } catch (DecantException e) {
                Platform.runLater(() -> desk.trouble().set(e));
            } catch (IOException e) {
                LoggerFactory.getLogger(PictureCard.class).info("{} can't be read", file, e);
                Platform.runLater(() -> desk.trouble().set(new DecantException(DecantException.Kind.UNREADABLE, Message.of(
                        "picture.cannot-be-read", file.getFileName()), e)));
            }
        });
    }
}
