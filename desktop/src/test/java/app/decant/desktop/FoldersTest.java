package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.desktop.folders.FolderLanes.Lane;
import app.decant.desktop.folders.FolderLanes;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeoutException;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** The room for folders driven from its sentence to the log, with bad files among the good ones. */
class FoldersTest {
    private static final int NOTICES = 30;
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;
    private Path archive;
    private Path results;

    @BeforeEach void prepare() throws IOException {
        window = SHARED.window();
        archive = SHARED.own().resolve("Archive");
        results = SHARED.own().resolve("Archive as PDF");
        Path notice = SHARED.files().get(1);
        Files.createDirectories(archive.resolve("2025/winter"));
        for (int n = 1; n <= NOTICES; n++) Files.copy(notice, archive.resolve(n % 2 == 0 ? "2025/winter" : "2025").resolve("Harbour notice " + n + ".docx"));
        Files.writeString(archive.resolve("Slipway plan.doc"), "");
        Files.write(archive.resolve("Pier lease.docx"), Arrays.copyOf(Files.readAllBytes(notice), 3000));
    }

    private FolderLanes lanes() { return window.folders().lanes(); }

    private void say(FxRobot robot) throws TimeoutException, IOException {
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT5).release(KeyCode.CONTROL);
        path(robot, "folder-from", Files.createDirectories(SHARED.own().resolve("Nothing yet")));
        choose(robot, "folder-watch", Words.of("folders.once"));
        choose(robot, "folder-faith", Words.of("folders.faith.none"));
        until(() -> robot.lookup("#folder-start").queryButton().isDisabled());
        path(robot, "folder-from", archive);
        path(robot, "folder-into", results);
        until(() -> lanes().count(Lane.WAITING) == NOTICES + 2);
    }

    private static void path(FxRobot robot, String phrase, Path path) {
        robot.clickOn("#phrase-" + phrase);
        robot.interact(() -> robot.lookup("#card-" + phrase).queryTextInputControl().setText(path.toString()));
        robot.clickOn("#card-" + phrase).type(KeyCode.ENTER);
        WaitForAsyncUtils.waitForFxEvents();
    }

    private static void choose(FxRobot robot, String phrase, String words) throws TimeoutException {
        robot.clickOn("#phrase-" + phrase);
        // The card is there one pulse after the click at the earliest.
        Waiting.until(() -> choice(robot, words).isPresent());
        robot.clickOn(choice(robot, words).orElseThrow());
        WaitForAsyncUtils.waitForFxEvents();
    }

    private static Optional<Label> choice(FxRobot robot, String words) {
        return robot.lookup(".phrase-card .label").<Label>queryAll().stream().filter(one -> one.getText().endsWith(words)).findFirst();
    }

    @Test void doesAWholeTreeAndTriesAgainWhatFailed(FxRobot robot) throws Exception {
        say(robot);
        assertThat(robot.lookup("#folder-summary").<Label>query().getText()).startsWith("32 text documents").contains("free there");
        choose(robot, "folder-faith", "below faith 90");
        until(() -> lanes().count(Lane.WAITING) == NOTICES + 2);
        robot.clickOn("#folder-start");
        until(() -> !window.folders().isRunning());
        assertThat(lanes().count(Lane.WAITING) + lanes().count(Lane.WORKING)).isZero();
        assertThat(lanes().count(Lane.DONE)).isEqualTo(NOTICES);
        assertThat(lanes().cards(Lane.DONE)).allSatisfy(card -> assertThat(card.about()).contains("faith"));
        assertThat(lanes().cards(Lane.FAILED)).extracting(FolderLanes.Card::name).containsExactlyInAnyOrder("Slipway plan.doc", "Pier lease.docx");
        assertThat(lanes().cards(Lane.FAILED)).allSatisfy(card -> assertThat(card.about()).hasSizeGreaterThan(10).doesNotContain("Exception"));
        try (PDDocument pdf = Loader.loadPDF(results.resolve("2025/winter/Harbour notice 4.pdf").toFile())) {
            assertThat(pdf.getDocumentCatalog().getDocumentOutline()).isNotNull();
        }
        String log = Files.readString(results.resolve("What became of the files.html"), StandardCharsets.UTF_8);
        assertThat(Jsoup.parse(log).select("table a[href]").eachText()).contains("Harbour notice 4.pdf", "Harbour notice 30.pdf");

        // Somebody puts the damaged file right.
        Files.copy(archive.resolve("2025/Harbour notice 1.docx"), archive.resolve("Pier lease.docx"), StandardCopyOption.REPLACE_EXISTING);
        robot.clickOn(Words.of("folders.again"));
        until(() -> !window.folders().isRunning() && lanes().count(Lane.DONE) == 1);
        assertThat(lanes().cards(Lane.FAILED)).extracting(FolderLanes.Card::name).containsExactly("Slipway plan.doc");
        assertThat(results.resolve("Pier lease.pdf")).exists();
    }

    @Test void stopsAtAnyTimeAndGoesOnFromThere(FxRobot robot) throws Exception {
        say(robot);
        robot.clickOn("#folder-start");
        until(() -> lanes().count(Lane.DONE) > 0);
        robot.clickOn("#folder-start");
        assertThat(robot.lookup("#folder-start").queryButton().getText()).isEqualTo("Go on");
        robot.clickOn("#folder-stop");
        until(() -> !window.folders().isRunning());
        List<Path> first = made();
        assertThat(first).hasSizeBetween(1, NOTICES);
        var times = first.stream().map(file -> file.toFile().lastModified()).toList();
        robot.clickOn("#folder-start");
        until(() -> !window.folders().isRunning());
        assertThat(lanes().count(Lane.DONE)).isEqualTo(NOTICES);
        assertThat(made()).hasSize(NOTICES);
        assertThat(first.stream().map(file -> file.toFile().lastModified()).toList()).isEqualTo(times);
    }

    private List<Path> made() throws IOException {
        try (Stream<Path> files = Files.walk(results)) {
            return files.filter(file -> file.toString().endsWith(".pdf")).sorted().toList();
        }
    }

    @Test void opensWhatWantsALookInCheck(FxRobot robot) throws Exception {
        say(robot);
        // Pages of a text file are not those of the original, so a score above what any result reaches sets all apart.
        robot.interact(() -> window.folders().sentence().apartBelow(101));
        until(() -> lanes().count(Lane.WAITING) == NOTICES + 2);
        robot.clickOn("#folder-start");
        until(() -> !window.folders().isRunning());
        assertThat(lanes().count(Lane.LOOK)).isEqualTo(NOTICES);
        ListView<?> list = robot.lookup("#lane-look").queryListView();
        robot.interact(() -> {
            list.requestFocus();
            list.getSelectionModel().select(0);
        });
        robot.type(KeyCode.ENTER);
        until(() -> window.desk().source().get() != null && window.desk().job().get() == null);
        assertThat(window.desk().source().get().file()).startsWith(archive);
        until(() -> window.station() == Station.CHECK);
    }

    @Test void takesSeveralFoldersAndKeepsThemApart(FxRobot robot) throws Exception {
        say(robot);
        Path letters = Files.createDirectories(archive.resolveSibling("Letters"));
        Files.copy(archive.resolve("2025/Harbour notice 1.docx"), letters.resolve("Letter.docx"));
        robot.clickOn("#phrase-folder-from");
        robot.interact(() -> robot.lookup("#card-folder-also").queryTextInputControl().setText(letters.resolve("nowhere").toString()));
        robot.clickOn("#card-folder-also").type(KeyCode.ENTER);
        assertThat(robot.lookup(".phrase-card .wrong").<Label>queryAll()).anySatisfy(label -> assertThat(label.getText()).contains("no such folder"));
        robot.interact(() -> robot.lookup("#card-folder-also").queryTextInputControl().setText(letters.toString()));
        robot.clickOn("#card-folder-also").type(KeyCode.ENTER);
        until(() -> lanes().count(Lane.WAITING) == NOTICES + 3);
        robot.clickOn("#folder-start");
        until(() -> !window.folders().isRunning() && lanes().count(Lane.WAITING) == 0);
        assertThat(results.resolve("Letters/Letter.pdf")).exists();
        assertThat(results.resolve("Archive/2025/winter/Harbour notice 4.pdf")).exists();
        choose(robot, "folder-from", "Leave out Letters");
        until(() -> lanes().count(Lane.WAITING) == NOTICES + 2);
    }

    @Test void watchesInASmallWindowUntilItIsClosed(FxRobot robot) throws Exception {
        Path inbox = Files.createDirectories(archive.resolveSibling("Inbox"));
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT5).release(KeyCode.CONTROL);
        path(robot, "folder-from", inbox);
        path(robot, "folder-into", results);
        choose(robot, "folder-watch", "into \u201CDone\u201D");
        robot.clickOn("#folder-start");
        until(() -> robot.lookup("#watch-words").tryQuery().isPresent());
        Files.copy(archive.resolve("2025/Harbour notice 1.docx"), inbox.resolve("Came in.docx"));
        Files.writeString(inbox.resolve("Broken.docx"), "");
        until(() -> robot.lookup("#watch-list").<ListView<?>>query().getItems().size() == 2);
        assertThat(robot.lookup("#watch-words").<Label>query().getText()).isEqualTo("1 file made \u00B7 1 could not be made");
        assertThat(results.resolve("Came in.pdf")).exists();
        until(() -> Files.exists(inbox.resolve("Done/Came in.docx")));
        assertThat(inbox.resolve("Broken.docx")).as("what failed stays where it is").exists();
        robot.clickOn("#watch-stop");
        until(() -> robot.lookup("#watch-words").tryQuery().isEmpty());
        Files.copy(archive.resolve("2025/Harbour notice 1.docx"), inbox.resolve("Too late.docx"));
        Thread.sleep(2500);
        assertThat(results.resolve("Too late.pdf")).doesNotExist();
    }
}
