package app.decant.desktop;

import app.decant.Decant;
import app.decant.demo.LostProperty;
import app.decant.desktop.station.Station;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Outline;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Walk;
import app.decant.edit.FormFilling;
import app.decant.edit.Pictures;
import app.decant.edit.Reviewing;
import app.decant.edit.Search;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import javafx.animation.PauseTransition;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.image.WritableImage;
import javafx.util.Duration;
import javax.imageio.ImageIO;

/** Takes the pictures of the documentation by driving the real window through the demo company's handbook. */
final class Screenshots {
    private final MainWindow window;
    private final Path folder;
    private final Queue<Runnable> steps = new ArrayDeque<>();

    private Path fares;

    private Screenshots(MainWindow window, Path folder) {
        this.window = window;
        this.folder = folder;
    }

    static void take(MainWindow window, Path folder) throws IOException {
        Files.createDirectories(folder);
        Screenshots shots = new Screenshots(window, folder);
        shots.plan();
        shots.next(2500);
    }

    private void plan() {
        steps.add(() -> fares = window.desk().source().get().file().resolveSibling("Winter fares.xlsx"));
        steps.add(() -> window.go(Station.REVISE));
        steps.add(() -> heading("Luggage and bicycles"));
        steps.add(() -> snap("revise"));
        words();
        steps.add(() -> window.dark(true));
        steps.add(() -> snap("revise-dark"));
        steps.add(() -> {
            window.dark(false);
            window.find().show(false);
            ((TextField) window.stage().getScene().lookup("#find")).setText("pier");
        });
        steps.add(() -> snap("find"));
        steps.add(() -> {
            window.find().hide();
            heading("Luggage and bicycles");
            window.commands().named("echo").run();
        });
        steps.add(() -> snap("echo"));
        steps.add(() -> {
            window.commands().named("to.text").run();
            TextSelection from = Search.all(window.desk().document(), "Ostrey line, adult", true).get(0);
            TextSelection to = Search.all(window.desk().document(), "Skerrow line, under sixteen", true).get(0);
            window.table().pick(new TextSelection(from.start(), to.end()), true);
        });
        steps.add(() -> snap("table"));
        steps.add(() -> {
            Picture ship = pictures(window.desk().document()).stream().filter(one -> one.width() > 300).findFirst().orElseThrow();
            window.table().pick(Pictures.find(window.desk().document(), ship), true);
        });
        steps.add(() -> snap("picture"));
        steps.add(() -> window.go(Station.TAKE_IN));
        steps.add(() -> snap("take-in"));
        steps.add(() -> window.go(Station.CHECK));
        steps.add(() -> snap("check"));
        steps.add(() -> window.go(Station.PUBLISH));
        steps.add(() -> { });
        steps.add(() -> snap("publish"));
        steps.add(window::publishNow);
        for (int i = 0; i < 4; i++) steps.add(() -> { });
        steps.add(() -> snap("receipt"));
        steps.add(() -> {
            window.go(Station.REVISE);
            window.palette().show();
        });
        steps.add(() -> snap("need"));
        steps.add(() -> {
            window.palette().hide();
            window.open(window.desk().publishing().receipt().get().file());
        });
        for (int i = 0; i < 8; i++) steps.add(() -> { });
        steps.add(() -> window.table().scrollTo(2));
        steps.add(() -> snap("beside"));
        steps.add(() -> {
            TextSelection word = Search.all(window.desk().document(), "luggage", true).get(0);
            window.desk().apply(Typing.type(window.desk().document(), word, "baggage", null));
            TextSelection more = Search.all(window.desk().document(), "neighbour", true).get(0);
            String longer = "neighbour, who was never told at the counter, nor at the gate, nor on board";
            window.desk().apply(Typing.type(window.desk().document(), more, longer, null));
            window.go(Station.REVISE);
            window.table().pick(TextSelection.caret(window.desk().selection().get().head()), true);
        });
        for (int i = 0; i < 2; i++) steps.add(() -> { });
        steps.add(() -> snap("ground"));
        steps.add(() -> {
            window.go(Station.PUBLISH);
            window.publishStation().set(Recipe.PLAIN.with(Recipe.WhenPresent.KEEP_BOTH));
        });
        steps.add(window::publishNow);
        for (int i = 0; i < 5; i++) steps.add(() -> { });
        steps.add(() -> snap("corrected"));
        form();
        sheets();
        review();
        steps.add(() -> {
            window.notices().clear();
            window.goToFolders();
            window.folders().sentence().apartBelow(90);
        });
        steps.add(() -> { });
        steps.add(() -> ((Button) window.stage().getScene().lookup("#folder-start")).fire());
        for (int i = 0; i < 7; i++) steps.add(() -> { });
        steps.add(() -> snap("folders"));
        steps.add(() -> {
            window.desk().discard();
            window.stage().close();
        });
    }

    /** A slip of the fingers, and what was meant. */
    private void words() {
        steps.add(() -> {
            TextSelection place = Search.all(window.desk().document(), "Each passenger", true).get(0);
            window.desk().apply(Typing.type(window.desk().document(), TextSelection.caret(place.start()), "Pleese note: ", null));
        });
        steps.add(() -> { });
        steps.add(() -> window.table().pick(Search.all(window.desk().document(), "Pleese", true).get(0), true));
        steps.add(() -> { });
        steps.add(() -> snap("words"));
        steps.add(() -> {
            window.desk().undo();
            heading("Luggage and bicycles");
        });
    }

    /** The form of a PDF, half filled in. */
    private void form() {
        steps.add(() -> {
            window.desk().discard();
            Path pdf = fares.resolveSibling("Request for lost property.pdf");
            Decant.publish(LostProperty.document(), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).with(Recipe.PLAIN.style().fillable(true)), pdf);
            window.open(pdf);
        });
        for (int i = 0; i < 4; i++) steps.add(() -> { });
        steps.add(() -> {
            window.go(Station.REVISE);
            for (Map.Entry<String, String> answer : Map.of("Name", "Marit Holm", "Line", "Skerrow line", "It was labelled", "On").entrySet())
                window.desk().apply(FormFilling.answer(window.desk().document(), window.desk().selection().get(), answer.getKey(), answer.getValue()));
        });
        for (int i = 0; i < 2; i++) steps.add(() -> { });
        steps.add(() -> snap("form"));
    }

    /** A workbook on its wide sheet: where pages begin, and the remedy. */
    private void sheets() {
        steps.add(() -> {
            window.desk().discard();
            window.open(fares);
        });
        for (int i = 0; i < 4; i++) steps.add(() -> { });
        steps.add(() -> window.sheets().table().show(1));
        for (int i = 0; i < 2; i++) steps.add(() -> { });
        steps.add(() -> snap("sheets"));
    }

    /** A draft with what others changed and remarked. */
    private void review() {
        steps.add(() -> window.open(fares.resolveSibling("Rules for animals, draft.docx")));
        for (int i = 0; i < 4; i++) steps.add(() -> { });
        steps.add(() -> {
            window.go(Station.REVISE);
            window.table().pick(Reviewing.passages(window.desk().document()).get(1).where(), true);
        });
        for (int i = 0; i < 2; i++) steps.add(() -> { });
        steps.add(() -> snap("review"));
    }

    private static List<Picture> pictures(Document document) {
        List<Picture> pictures = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).stops())
            for (Inline inline : stop.paragraph().inlines()) if (inline instanceof Inline.InlinePicture one) pictures.add(one.picture());
        return pictures;
    }

    private void heading(String text) {
        for (Outline.Heading heading : window.desk().pages().get().outline().headings()) {
            if (heading.text().equals(text)) window.table().pick(TextSelection.caret(new Place(heading.path(), 0)), true);
        }
    }

    private void next(double wait) {
        PauseTransition pause = new PauseTransition(Duration.millis(wait));
        pause.setOnFinished(event -> {
            // A slow machine is waited for; a picture of half a window is of no use.
            if (window.desk().pages().get() == null || window.desk().job().get() != null) {
                next(300);
                return;
            }
            Runnable step = steps.poll();
            if (step == null) return;
            try {
                step.run();
            } catch (RuntimeException e) {
                // Without this the window would stand there for ever.
                window.desk().discard();
                window.stage().close();
                throw e;
            }
            next(900);
        });
        pause.play();
    }

    private void snap(String name) {
        WritableImage image = window.stage().getScene().snapshot(null);
        BufferedImage picture = new BufferedImage((int) image.getWidth(), (int) image.getHeight(),
                BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < picture.getHeight(); y++) for (int x = 0; x < picture.getWidth(); x++) picture.setRGB(x, y, image.getPixelReader().getArgb(x, y));
        try {
            ImageIO.write(picture, "png", folder.resolve(name + ".png").toFile());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
