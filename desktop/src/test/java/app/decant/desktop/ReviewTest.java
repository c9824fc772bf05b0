package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.document.TrackedChanges;
import app.decant.edit.Reviewing;
import app.decant.edit.Search;
import app.decant.edit.TextSelection;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeoutException;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** A draft that two people worked on, settled at the desk: one by one by keys and clicks, answered, all at once, taken back, published. */
class ReviewTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;
    private Path draft;

    @BeforeEach void open() throws TimeoutException, IOException {
        window = SHARED.window();
        draft = SHARED.files().get(3);
        SHARED.open(draft, Station.REVISE);
        until(() -> window.slip().review().hasPassages());
    }

    private Document document() { return window.desk().document(); }
    private List<String> words() { return Reviewing.passages(document()).stream().map(Reviewing.Passage::words).toList(); }

    private void push(FxRobot robot, KeyCode... codes) throws TimeoutException {
        robot.push(codes);
        Waiting.settle(window);
    }

    private void click(FxRobot robot, String id) throws TimeoutException {
        until(() -> !robot.lookup(id).queryAll().isEmpty());
        robot.interact(() -> robot.lookup(id).queryButton().fire());
        Waiting.settle(window);
    }

    private void pick(TextSelection wanted) throws TimeoutException {
        WaitForAsyncUtils.asyncFx(() -> {
            window.table().pick(wanted, true);
            window.table().requestFocus();
        });
        Waiting.settle(window);
    }

    private void need(FxRobot robot, String key) throws TimeoutException {
        push(robot, KeyCode.CONTROL, KeyCode.K);
        robot.interact(() -> robot.lookup("#need-field").<TextField>query().setText(Words.of(key)));
        push(robot, KeyCode.ENTER);
    }

    @Test void oneByOneByKeysThenTheRestAtOnceAndBack(FxRobot robot) throws TimeoutException {
        Document before = document();
        assertThat(words()).containsExactly("no more than", "two metres", "at all times", "unless they work", "Ferrets are carried in the engine room.",
                "through the side hatch", "Whoever brings them stays with them.");
        pick(TextSelection.caret(Search.all(document(), "Rules for", true).get(0).start()));
        push(robot, KeyCode.CONTROL, KeyCode.F8);
        assertThat(window.desk().selection().get()).isEqualTo(Reviewing.passages(before).get(0).where());
        need(robot, "command.review.reject");
        assertThat(words()).doesNotContain("no more than").hasSize(6);
        push(robot, KeyCode.CONTROL, KeyCode.F8);
        push(robot, KeyCode.CONTROL, KeyCode.F8);
        until(() -> robot.lookup("#review-accept-here-0").queryAll().size() == 1);
        click(robot, "#review-accept-here-0");
        assertThat(words()).doesNotContain("at all times").hasSize(5);
        need(robot, "command.review");
        until(() -> robot.lookup("#review-about").queryLabeled().getText().equals("3 changes wait, and 2 comments."));
        click(robot, "#review-accept-all");
        assertThat(TrackedChanges.count(document())).isZero();
        until(() -> robot.lookup("#review-about").queryLabeled().getText().equals("2 comments."));
        assertThat(robot.lookup("#review-accept-all").queryButton().isVisible()).as("nothing is left to accept").isFalse();
        assertThat(Comments.borne(document())).hasSize(2);
        assertThat(document().blocks()).as("the paragraph that was taken out is gone").hasSize(before.blocks().size() - 1);
        while (window.desk().canUndo()) {
            WaitForAsyncUtils.asyncFx(() -> window.desk().undo());
            Waiting.settle(window);
        }
        assertThat(document()).isEqualTo(before);
    }

    @Test void commentsAreAnsweredDoneMadeAndTakenOut(FxRobot robot) throws TimeoutException {
        pick(TextSelection.caret(Reviewing.passages(document()).get(1).where().start()));
        until(() -> !robot.lookup("#review-answer-here-1").queryAll().isEmpty());
        robot.interact(() -> robot.lookup("#review-answer-here-1").<TextField>query().requestFocus());
        robot.write("So be it.");
        push(robot, KeyCode.ENTER);
        assertThat(Comments.borne(document()).keySet().iterator().next().answers()).hasSize(2).last()
                .satisfies(answer -> assertThat(answer.text()).isEqualTo("So be it."));
        click(robot, "#review-done-here-1");
        assertThat(Comments.borne(document()).keySet().iterator().next().done()).isTrue();
        pick(Search.all(document(), "Bags hang", true).get(0));
        need(robot, "command.remark");
        robot.write("Who fills them up?");
        push(robot, KeyCode.ENTER);
        assertThat(Reviewing.passages(document())).last().satisfies(passage -> assertThat(passage.words()).isEqualTo("Bags hang"));
        click(robot, "#review-out-here-0");
        assertThat(Comments.borne(document())).hasSize(2);
    }

    /** Published as accepted, since nobody wished otherwise; rejected and shown where the sentence says so. PDFBox reads the pages. */
    @Test void theSentenceSaysWhatBecomesOfThem(FxRobot robot) throws TimeoutException, IOException {
        WaitForAsyncUtils.asyncFx(() -> window.go(Station.PUBLISH));
        Waiting.settle(window);
        for (String[] wish : new String[][] {{"1", "saloon, unless they work."}, {"3", "saloon, at all times."},
            {"2", "saloon, at all timesunless they work."}}) {
            robot.clickOn("#phrase-changes");
            until(() -> !robot.lookup("#choice-" + wish[0]).queryAll().isEmpty());
            robot.clickOn("#choice-" + wish[0]);
            Waiting.settle(window);
            Path file = draft.resolveSibling(wish[0] + ".pdf");
            WaitForAsyncUtils.asyncFx(() -> window.desk().publishing().publish(List.of(Map.entry("", window.publishStation().recipe())),
                    Recipe.Passwords.NONE, file, made -> { }));
            until(() -> Files.exists(file) && window.desk().job().get() == null);
            try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
                assertThat(new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ")).contains(wish[1]);
            }
        }
    }

    /** What is saved is what is on the desk: changes and comments with it. */
    @Test void whatWaitsIsSavedWithTheCopy() throws TimeoutException, IOException {
        Path copy = draft.resolveSibling("copy.docx");
        WaitForAsyncUtils.asyncFx(() -> window.saveTo(copy));
        until(() -> Files.exists(copy));
        Document again = Decant.open(copy, null, Progress.SILENT).document();
        assertThat(Reviewing.passages(again).stream().map(Reviewing.Passage::words).toList()).isEqualTo(words());
    }
}
