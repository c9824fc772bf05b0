package app.decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.desktop.command.Command;
import app.decant.desktop.work.Settings;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import javafx.scene.input.KeyCombination;
import javafx.stage.Stage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.framework.junit5.ApplicationExtension;
import org.testfx.framework.junit5.Start;
import org.testfx.framework.junit5.Stop;

/** What can be done is told once: no two have one name or the same keys, and what needs a document is offered only with one. */
@ExtendWith(ApplicationExtension.class)
class CommandListTest {
    @TempDir static Path home;
    private MainWindow window;

    @Start void start(Stage stage) {
        System.setProperty("decant.home", home.toString());
        window = new MainWindow(stage, Settings.forgetful());
        window.show();
    }

    @Stop void close() { window.close(); }

    @Test void noTwoHaveOneNameTheSameWordsOrTheSameKeys() {
        Set<String> names = new HashSet<>();
        Set<String> words = new HashSet<>();
        List<KeyCombination> keys = new ArrayList<>();
        for (Command command : window.commands().all()) {
            assertThat(names.add(command.key())).as(command.key()).isTrue();
            assertThat(words.add(command.words())).as(command.words()).isTrue();
            for (KeyCombination one : command.keys()) assertThat(keys).as(command.key()).doesNotContain(one);
            keys.addAll(command.keys());
        }
        assertThat(window.commands().named("redo").keyWords()).isEqualTo("Ctrl Shift Z");
        assertThat(window.commands().named("next.heading").keyWords()).isEqualTo("Alt \u2193");
    }

    @Test void whatNeedsADocumentIsNotOfferedWithoutOne() {
        assertThat(window.commands().applying()).extracting(Command::key).contains("open", "folders", "dark", "take.in")
                .doesNotContain("save", "publish", "undo", "paste", "bold", "next.heading");
        window.commands().named("undo").run();
        window.commands().named("publish").run();
        assertThat(window.desk().document()).isNull();
    }
}
