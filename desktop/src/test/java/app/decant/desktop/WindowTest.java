package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.desktop.command.Command;
import app.decant.desktop.part.Words;
import app.decant.desktop.revise.StyleNames;
import app.decant.desktop.station.Station;
import app.decant.desktop.work.WorkingCopy;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.edit.BlockStep;
import app.decant.edit.Change;
import app.decant.edit.Draft;
import app.decant.edit.EditKind;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.text.TextWriter;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.words.Message;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeoutException;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.image.ImageView;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.crypt.EncryptionMode;
import org.apache.poi.poifs.crypt.Encryptor;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** The window driven as its users do: keys, mouse, phrases. */
class WindowTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;
    private Path handbook;

    @BeforeEach void open() throws TimeoutException, IOException {
        window = SHARED.window();
        handbook = SHARED.files().get(0);
        SHARED.open(handbook);
    }

    private void settle() throws TimeoutException { Waiting.settle(window); }

    private Outline.Heading heading(String text) {
        return window.desk().pages().get().outline().headings().stream().filter(one -> one.text().equals(text)).findFirst().orElseThrow();
    }

    private void pick(Place anchor, Place head) throws TimeoutException {
        WaitForAsyncUtils.asyncFx(() -> {
            window.table().pick(new TextSelection(anchor, head), true);
            window.table().requestFocus();
        });
        settle();
    }

    private Paragraph paragraph(BlockPath path) { return window.desk().document().paragraph(path); }

    @Test void typingUndoingAndDoingAgain(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        String before = paragraph(path).text();
        pick(new Place(path, 0), new Place(path, 0));
        robot.write("Hello there ");
        settle();
        assertThat(paragraph(path).text()).isEqualTo("Hello there " + before);
        assertThat(window.desk().selection().get()).isEqualTo(TextSelection.caret(new Place(path, 12)));
        robot.push(KeyCode.BACK_SPACE);
        settle();
        robot.press(KeyCode.CONTROL).type(KeyCode.BACK_SPACE).release(KeyCode.CONTROL);
        settle();
        assertThat(paragraph(path).text()).isEqualTo("Hello " + before);
        while (window.desk().canUndo()) {
            robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
            settle();
        }
        assertThat(paragraph(path).text()).isEqualTo(before);
        while (window.desk().canRedo()) {
            robot.press(KeyCode.CONTROL).type(KeyCode.Y).release(KeyCode.CONTROL);
            settle();
        }
        assertThat(paragraph(path).text()).isEqualTo("Hello " + before);
    }

    /** Letters that come faster than pages are laid out keep their order. */
    @Test void fastTypingKeepsItsOrder() throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        String before = paragraph(path).text();
        pick(new Place(path, 0), new Place(path, 0));
        String typed = "The quick brown fox jumps over the lazy dog ";
        WaitForAsyncUtils.asyncFx(() -> {
            for (char c : typed.toCharArray()) {
                Event.fireEvent(window.table(), new KeyEvent(KeyEvent.KEY_TYPED, String.valueOf(c), "",
                        KeyCode.UNDEFINED, false, false, false, false));
            }
        });
        until(() -> paragraph(path).text().length() == before.length() + typed.length());
        settle();
        assertThat(paragraph(path).text()).isEqualTo(typed + before);
    }

    @Test void splittingAndJoiningParagraphs(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        String before = paragraph(path).text();
        pick(new Place(path, 11), new Place(path, 11));
        robot.push(KeyCode.ENTER);
        settle();
        assertThat(paragraph(path).text()).isEqualTo(before.substring(0, 11));
        assertThat(paragraph(path.sibling(path.last() + 1)).text()).isEqualTo(before.substring(11));
        robot.push(KeyCode.BACK_SPACE);
        settle();
        assertThat(paragraph(path).text()).isEqualTo(before);
    }

    @Test void arrowsWordsAndLinesMoveTheCaret(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        pick(new Place(path, 0), new Place(path, 0));
        robot.press(KeyCode.CONTROL).type(KeyCode.RIGHT).release(KeyCode.CONTROL);
        assertThat(window.desk().selection().get().head()).isEqualTo(new Place(path, 4));
        robot.push(KeyCode.END);
        int end = window.desk().selection().get().head().offset();
        assertThat(end).isBetween(60, 120);
        robot.push(KeyCode.DOWN);
        assertThat(window.desk().selection().get().head().offset()).isGreaterThan(end + 40);
        robot.push(KeyCode.UP);
        robot.push(KeyCode.HOME);
        assertThat(window.desk().selection().get().head()).isEqualTo(new Place(path, 0));
        robot.push(KeyCode.LEFT);
        assertThat(window.desk().selection().get().head().path()).isEqualTo(heading("Who we are").path());
        robot.press(KeyCode.ALT).type(KeyCode.DOWN).release(KeyCode.ALT);
        settle();
        assertThat(window.desk().selection().get().head().path()).isEqualTo(heading("The three lines").path());
    }

    @Test void aClickADoubleClickAndADragPickText(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        pick(new Place(path, 0), new Place(path, 0));
        double[] at = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(new Place(path, 6)));
        Point2D screen = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().localToScreen(at[0], at[1]));
        robot.clickOn(screen, MouseButton.PRIMARY);
        settle();
        assertThat(window.desk().selection().get()).isEqualTo(TextSelection.caret(new Place(path, 6)));
        robot.sleep(900); // or the next click would be counted with this one
        robot.doubleClickOn(screen, MouseButton.PRIMARY);
        settle();
        assertThat(window.desk().selection().get()).isEqualTo(new TextSelection(new Place(path, 4), new Place(path, 11)));
        robot.press(KeyCode.CONTROL).type(KeyCode.C).release(KeyCode.CONTROL);
        assertThat(WaitForAsyncUtils.waitForAsyncFx(5000, () -> Clipboard.getSystemClipboard().getString())).isEqualTo("company");
        double[] to = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(new Place(path, 30)));
        Point2D end = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().localToScreen(to[0], to[1]));
        // A click on what is picked puts the caret there; from there it is drawn.
        robot.clickOn(screen, MouseButton.PRIMARY);
        settle();
        assertThat(window.desk().selection().get()).isEqualTo(TextSelection.caret(new Place(path, 6)));
        robot.sleep(900);
        robot.moveTo(screen).press(MouseButton.PRIMARY).moveTo(end).release(MouseButton.PRIMARY);
        settle();
        assertThat(window.desk().selection().get()).isEqualTo(new TextSelection(new Place(path, 6), new Place(path, 30)));
    }

    /** What is picked is drawn to another place with the mouse, or a copy of it; Esc lets it be. */
    @Test void whatIsPickedIsCarriedElsewhere(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        Document before = window.desk().document();
        String text = before.paragraph(new Place(path, 0)).text();
        pick(new Place(path, 4), new Place(path, 12));
        String word = text.substring(4, 12);
        Point2D from = screen(new Place(path, 7));
        Point2D to = screen(new Place(path, 30));
        robot.moveTo(from).press(MouseButton.PRIMARY).moveTo(to).type(KeyCode.ESCAPE).release(MouseButton.PRIMARY);
        settle();
        assertThat(window.desk().document()).isSameAs(before);
        pick(new Place(path, 4), new Place(path, 12));
        robot.sleep(900);
        robot.moveTo(from).press(MouseButton.PRIMARY).moveTo(to).release(MouseButton.PRIMARY);
        settle();
        String carried = text.substring(0, 4) + text.substring(12, 30) + word + text.substring(30);
        assertThat(window.desk().document().paragraph(new Place(path, 0)).text()).isEqualTo(carried);
        assertThat(window.desk().selection().get()).isEqualTo(new TextSelection(new Place(path, 22), new Place(path, 30)));
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        settle();
        assertThat(window.desk().document()).isEqualTo(before);
        robot.sleep(900);
        robot.press(KeyCode.CONTROL).moveTo(from).press(MouseButton.PRIMARY).moveTo(to).release(MouseButton.PRIMARY).release(KeyCode.CONTROL);
        settle();
        assertThat(window.desk().document().paragraph(new Place(path, 0)).text()).isEqualTo(text.substring(0, 30) + word + text.substring(30));
    }

    private Point2D screen(Place place) throws TimeoutException {
        return WaitForAsyncUtils.waitForAsyncFx(5000, () -> {
            double[] at = window.table().caretPoint(place);
            return window.table().localToScreen(at[0], at[1]);
        });
    }

    @Test void looksChangeByKeyAndBySlip(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        pick(new Place(path, 4), new Place(path, 11));
        robot.press(KeyCode.CONTROL).type(KeyCode.B).release(KeyCode.CONTROL);
        settle();
        assertThat(lookAt(path, 5).is(TextProperty.BOLD)).isTrue();
        assertThat(lookAt(path, 12).is(TextProperty.BOLD)).isFalse();
        robot.clickOn("#look-italic");
        settle();
        assertThat(lookAt(path, 5).is(TextProperty.ITALIC)).isTrue();
        robot.clickOn("#align-centre");
        settle();
        assertThat(paragraph(path).look().get(ParagraphProperty.ALIGNMENT)).isEqualTo(ParagraphProperty.Alignment.CENTRE);
        WaitForAsyncUtils.asyncFx(() -> robot.lookup("#sizes").<ComboBox<Double>>query().setValue(18.0));
        settle();
        assertThat(lookAt(path, 5).get(TextProperty.SIZE)).isEqualTo(18.0);
    }

    @Test void aLookPickedAtTheCaretDressesWhatIsTypedThereAndNowhereElse(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        pick(new Place(path, 4), new Place(path, 4));
        robot.press(KeyCode.CONTROL).type(KeyCode.B).release(KeyCode.CONTROL);
        robot.write("old ");
        settle();
        assertThat(lookAt(path, 4).is(TextProperty.BOLD) && lookAt(path, 7).is(TextProperty.BOLD)).isTrue();
        assertThat(lookAt(path, 9).is(TextProperty.BOLD)).isFalse();
        robot.press(KeyCode.CONTROL).type(KeyCode.I).release(KeyCode.CONTROL);
        pick(new Place(path, 0), new Place(path, 0));
        robot.write("x");
        settle();
        assertThat(lookAt(path, 0).is(TextProperty.ITALIC)).isFalse();
    }

    private Look lookAt(BlockPath path, int offset) { return paragraph(path).lookBefore(offset + 1); }

    @Test void aParagraphMadeAHeadingShowsInTheSpineAndInTheContents(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path().sibling(heading("Who we are").path().last() + 1);
        pick(new Place(path, 0), new Place(path, 0));
        robot.write("A new heading");
        robot.push(KeyCode.ENTER);
        settle();
        pick(new Place(path, 2), new Place(path, 2));
        WaitForAsyncUtils.asyncFx(() -> {
            ComboBox<Style> styles = robot.lookup("#styles").query();
            styles.setValue(styles.getItems().stream().filter(style -> style.id().equals("Heading2")).findFirst().orElseThrow());
        });
        settle();
        until(() -> window.spine().titles().contains("1.2 A new heading"));
        assertThat(window.spine().titles()).contains("1.3 The three lines");
        Contents contents = (Contents) window.desk().document().blocks().stream()
                .filter(Contents.class::isInstance).findFirst().orElseThrow();
        assertThat(contents.entries()).extracting(Paragraph::plainText).anyMatch(text -> text.startsWith("1.2 A new heading"));
    }

    @Test void aClickOnTheSpineGoesThere(FxRobot robot) throws TimeoutException {
        until(() -> window.spine().rowY("4 Safety") > 0);
        double y = window.spine().rowY("4 Safety");
        Point2D screen = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().node().localToScreen(60, y));
        robot.clickOn(screen, MouseButton.PRIMARY);
        settle();
        assertThat(window.desk().selection().get().head().path()).isEqualTo(heading("Safety").path());
        int page = window.desk().pages().get().spot(window.desk().selection().get().head()).page();
        until(() -> window.table().pageInView().get() == page);
    }

    @Test void foundWordsArePickedOneAfterAnother(FxRobot robot) throws TimeoutException {
        robot.press(KeyCode.CONTROL).type(KeyCode.F).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        robot.write("tuba").push(KeyCode.ENTER);
        settle();
        TextSelection span = window.desk().selection().get();
        assertThat(paragraph(span.start().path()).text().substring(span.start().offset(), span.end().offset())).isEqualTo("tuba");
        robot.push(KeyCode.ESCAPE);
    }

    @Test void publishingWithOneKeyThenChangingAPhraseThenAskingAboutAFileThatIsThere(FxRobot robot) throws TimeoutException, IOException {
        BlockPath path = heading("Who we are").path();
        pick(new Place(path, 0), new Place(path, paragraph(path).length()));
        robot.write("Who carries you");
        settle();
        robot.press(KeyCode.CONTROL).type(KeyCode.ENTER).release(KeyCode.CONTROL);
        until(() -> window.desk().publishing().receipt().get() != null);
        settle();
        Path made = window.desk().publishing().receipt().get().file();
        assertThat(window.desk().publishing().receipt().get().proven()).isTrue();
        assertThat(made).hasFileName("Passenger handbook.pdf");
        assertThat(robot.lookup("#receipt").tryQuery()).isPresent();
        try (PDDocument pdf = Loader.loadPDF(made.toFile())) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("1.1 Who carries you").doesNotContain("Who we are");
        }
        robot.clickOn("#phrase-pages");
        robot.clickOn("#card-range").write("3-4").push(KeyCode.ENTER);
        settle();
        assertThat(window.publishStation().sentence().text()).contains("pages 3\u20134");
        robot.clickOn("#thumb-6");
        settle();
        assertThat(window.publishStation().sentence().text()).contains("pages 3\u20134, 6");
        robot.clickOn("#publish");
        until(() -> window.desk().trouble().get() != null);
        assertThat(window.desk().trouble().get().getMessage()).contains("already");
        robot.clickOn((Button) robot.lookup(".button").match(node -> node instanceof Button button && button.getText().equals("Put it beside the older one"))
                .query());
        until(() -> window.desk().publishing().receipt().get().file().getFileName().toString().equals("Passenger handbook 2.pdf"));
        assertThat(window.desk().publishing().receipt().get().pages()).isEqualTo(3);
    }

    @Test void aSavedCopyOpensAgainAndTheOriginalIsAsItWas(FxRobot robot) throws TimeoutException, IOException {
        byte[] original = Files.readAllBytes(handbook);
        BlockPath path = heading("Who we are").path();
        pick(new Place(path, 0), new Place(path, 0));
        robot.write("Now: ");
        settle();
        Path copy = handbook.resolveSibling("copy.docx");
        WaitForAsyncUtils.asyncFx(() -> window.saveTo(copy));
        until(() -> !window.desk().changed().get());
        assertThat(Files.readAllBytes(handbook)).isEqualTo(original);
        Path hard = Files.createLink(handbook.resolveSibling("hard.docx"), handbook);
        Path soft = Files.createSymbolicLink(handbook.resolveSibling("soft.docx"), handbook);
        Path around = Files.createSymbolicLink(handbook.resolveSibling("around"), handbook.getParent()).resolve(handbook.getFileName());
        for (Path same : new Path[] {handbook, hard, soft, around}) {
            Object before = window.desk().trouble().get();
            WaitForAsyncUtils.asyncFx(() -> window.saveTo(same));
            until(() -> window.desk().trouble().get() != null && window.desk().trouble().get() != before);
            assertThat(Files.readAllBytes(handbook)).as("saved as %s", same).isEqualTo(original);
            assertThat(Files.isSameFile(same, handbook)).isTrue();
        }
        WaitForAsyncUtils.asyncFx(() -> window.open(copy));
        until(() -> window.desk().source().get().file().equals(copy));
        settle();
        assertThat(heading("Now: Who we are")).isNotNull();
        assertThat(window.settings().recent()).startsWith(copy.toAbsolutePath());
    }

    @Test void textIsChangedOnlyWhereItIsSeen(FxRobot robot) throws TimeoutException {
        Place place = new Place(heading("Who we are").path(), 0);
        pick(place, place.at(3));
        assertThat(window.commands().applying()).extracting(Command::key).contains("bold", "cut");
        WaitForAsyncUtils.asyncFx(() -> window.go(Station.PUBLISH));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.commands().applying()).extracting(Command::key).contains("publish").doesNotContain("bold", "cut", "paste");
        Document before = window.desk().document();
        WaitForAsyncUtils.asyncFx(() -> window.commands().named("bold").run());
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(window.desk().document()).isSameAs(before);
    }

    @Test void whatIsTypedIsKeptInAWorkingCopy(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Who we are").path();
        pick(new Place(path, 0), new Place(path, 0));
        robot.write("Kept: ");
        until(() -> window.desk().kept().get() != null);
        WorkingCopy.Left left = WorkingCopy.kept(Decant.home().resolve("working")).get(0);
        assertThat(left.name()).isEqualTo("Passenger handbook.docx");
        // The first copy may hold what was typed until then.
        until(() -> TextWriter.write(Decant.open(left.copy()).document()).contains("Kept: Who we are"));
    }

    /** Two documents at once: what is typed in one window is in that alone, and its working copy is not offered in the other as one left behind. */
    @Test void anotherWindowHoldsAnotherDocument(FxRobot robot) throws TimeoutException {
        Place place = new Place(heading("Who we are").path(), 0);
        pick(place, place);
        robot.write("Here: ");
        until(() -> window.desk().kept().get() != null);
        MainWindow[] other = new MainWindow[1];
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> other[0] = window.anotherWindow());
        try {
            assertThat(WorkingCopy.left(Decant.home().resolve("working"))).isEmpty();
            WaitForAsyncUtils.asyncFx(() -> other[0].open(handbook.resolveSibling("Harbour notice 27.docx")));
            until(() -> other[0].desk().pages().get() != null);
            assertThat(other[0].stage().getTitle()).startsWith("Harbour notice 27.docx");
            assertThat(window.stage().getTitle()).startsWith("Passenger handbook.docx");
            assertThat(TextWriter.write(window.desk().document())).contains("Here: Who we are");
            assertThat(TextWriter.write(other[0].desk().document())).doesNotContain("Here: ");
        } finally {
            WaitForAsyncUtils.waitForAsyncFx(5000, () -> other[0].stage().hide());
        }
        assertThat(window.desk().changed().get()).isTrue();
        assertThat(window.stage().isShowing()).isTrue();
    }

    /** What was open lately is known by its first page; what is locked leaves none behind. */
    @Test void recentFilesAreShownByTheirFirstPages(FxRobot robot) throws TimeoutException, IOException, GeneralSecurityException {
        Path notice = handbook.resolveSibling("Harbour notice 27.docx");
        SHARED.open(notice);
        Path kept = Decant.home().resolve("first-pages");
        until(() -> Files.isDirectory(kept) && kept.toFile().list().length > 0);
        WaitForAsyncUtils.waitForAsyncFx(5000, window::takeAnother);
        until(() -> robot.lookup(".recent-paper").queryAll().stream().map(node -> (ImageView) node.lookup(".image-view"))
                .anyMatch(view -> view.getImage() != null && view.getImage().getHeight() > 60));
        int before = kept.toFile().list().length;
        Path secret = secret("tide");
        WaitForAsyncUtils.asyncFx(() -> window.desk().open(secret, "tide"));
        until(() -> window.desk().source().get().file().equals(secret));
        settle();
        // What is done aside is done one after another: what was asked for then is over now.
        until(() -> {
            CompletableFuture<Boolean> over = new CompletableFuture<>();
            window.desk().aside(() -> over.complete(true));
            return over.get();
        });
        assertThat(kept.toFile().list()).hasSize(before);
    }

    @Test void aBrokenFileIsToldInWordsAndTheOpenOneStays(FxRobot robot) throws TimeoutException, IOException {
        Path broken = Files.write(handbook.resolveSibling("broken.docx"), new byte[] {'P', 'K', 3, 4, 0, 0});
        WaitForAsyncUtils.asyncFx(() -> window.open(broken));
        until(() -> window.desk().trouble().get() != null);
        assertThat(window.desk().trouble().get().getMessage()).contains("damaged");
        assertThat(window.desk().source().get().file()).isEqualTo(handbook);
    }

    @Test void aMissingNumberIsASlotThatBecomesAHeadingWhenClicked(FxRobot robot) throws TimeoutException {
        Document document = window.desk().document();
        BlockPath path = heading("Residents").path();
        Look unlisted = Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(null, 0));
        List<Paragraph> typed = List.of(new Paragraph("Heading3", unlisted, Look.PLAIN,
                List.of(new Inline.Text("9.1 First", Look.PLAIN))), Paragraph.styled("BodyText", "9.2 Second"),
                new Paragraph("Heading3", unlisted, Look.PLAIN, List.of(new Inline.Text("9.3 Third", Look.PLAIN))));
        Change edit = new Draft(document, TextSelection.caret(new Place(path, 0))).add(new BlockStep(Story.BODY, path.parent(), path.last(), path.last() + 1,
                List.copyOf(typed))).done(EditKind.HEADING, new Place(path, 0));
        assertThat(document.paragraph(path).text()).isEqualTo("Residents");
        WaitForAsyncUtils.asyncFx(() -> window.desk().apply(edit));
        settle();
        String slot = Words.of("spine.missing.find", "9.2");
        until(() -> window.spine().rowY(slot) > 0);
        double y = window.spine().rowY(slot);
        robot.clickOn(WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().node().localToScreen(90, y)), MouseButton.PRIMARY);
        settle();
        assertThat(paragraph(path.sibling(path.last() + 1)).style()).isEqualTo("Heading3");
        assertThat(window.desk().pages().get().outline().gaps()).isEmpty();
    }

    /** The handbook locked by a password (ECMA-376, agile encryption), by the common library. */
    private Path secret(String password) throws IOException, GeneralSecurityException {
        Path secret = handbook.resolveSibling("secret.docx");
        try (POIFSFileSystem container = new POIFSFileSystem()) {
            Encryptor encryptor = new EncryptionInfo(EncryptionMode.agile)
                    .getEncryptor();
            encryptor.confirmPassword(password);
            try (OutputStream out = encryptor.getDataStream(container)) {
                out.write(Files.readAllBytes(handbook));
            }
            try (OutputStream out = Files.newOutputStream(secret)) {
                container.writeFilesystem(out);
            }
        }
        return secret;
    }

    @Test void aProtectedFileAsksForItsPasswordAndOpensWithIt(FxRobot robot) throws Exception {
        Path secret = secret("tide");
        WaitForAsyncUtils.asyncFx(() -> window.open(secret));
        until(() -> robot.lookup("#password").tryQuery().isPresent());
        robot.clickOn("#password").write("tide").push(KeyCode.ENTER);
        until(() -> window.desk().source().get().file().equals(secret));
        settle();
        assertThat(window.desk().pages().get().count()).isEqualTo(13);
    }

    @Test void zoomingKeepsThePageInView(FxRobot robot) throws TimeoutException {
        BlockPath path = heading("Safety").path();
        pick(new Place(path, 0), new Place(path, 0));
        settle();
        int page = window.table().pageInView().get();
        for (int i = 0; i < 5; i++) robot.press(KeyCode.CONTROL).type(KeyCode.EQUALS).release(KeyCode.CONTROL);
        settle();
        assertThat(window.table().zoomProperty().get()).isGreaterThan(1.2);
        assertThat(Math.abs(window.table().pageInView().get() - page)).isLessThanOrEqualTo(1);
    }

    @Test void everythingIsFoundByAskingForIt(FxRobot robot) throws TimeoutException {
        robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        robot.write("dark").push(KeyCode.ENTER);
        until(() -> window.isDark());
        robot.press(KeyCode.CONTROL).type(KeyCode.DIGIT4).release(KeyCode.CONTROL);
        until(() -> window.station() == Station.PUBLISH);
        assertThat(robot.lookup("#phrase-what").<Button>query().getText()).isEqualTo("a PDF");
        assertThat(robot.lookup("#card-range").<TextField>tryQuery()).isEmpty();
        assertThat(window.publishStation().recipe()).isEqualTo(Recipe.PLAIN);
    }

    /** What has no command of its own is a field of the slip, and is found there, also where it is one click further. */
    @Test void everyFieldOfTheSlipIsFoundByAskingForIt(FxRobot robot) throws TimeoutException {
        Place place = new Place(heading("Who we are").path(), 3);
        pick(place, place);
        robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        robot.write("line height").push(KeyCode.ENTER);
        until(() -> robot.lookup("#paragraph-lines").tryQuery().isPresent() && robot.lookup("#paragraph-lines").query().isFocused());
        robot.press(KeyCode.CONTROL).type(KeyCode.K).release(KeyCode.CONTROL);
        WaitForAsyncUtils.waitForFxEvents();
        robot.write("centred").push(KeyCode.ENTER);
        until(() -> Cascade.of(window.desk().document()).paragraph(window.desk().document().paragraph(place)).get(ParagraphProperty.ALIGNMENT)
                == ParagraphProperty.Alignment.CENTRE);
        until(() -> robot.lookup("#need-field").tryQuery().isEmpty());
    }

    private String text() { return TextWriter.write(window.desk().document()); }

    @Test void undoPutsTheCaretWhereTheStepBegan(FxRobot robot) throws TimeoutException {
        Place place = new Place(heading("Who we are").path(), 3);
        pick(place, place);
        robot.write("abc");
        settle();
        assertThat(window.desk().selection().get().head().offset()).isEqualTo(6);
        WaitForAsyncUtils.asyncFx(() -> window.desk().undo());
        settle();
        assertThat(window.desk().selection().get()).isEqualTo(TextSelection.caret(place));
        WaitForAsyncUtils.asyncFx(() -> window.desk().redo());
        settle();
        assertThat(window.desk().selection().get().head().offset()).isEqualTo(6);
    }

    @Test void allPickedAndDeletedIsAnEmptyDocument(FxRobot robot) throws TimeoutException {
        Place place = new Place(heading("Who we are").path(), 0);
        pick(place, place);
        robot.push(KeyCode.CONTROL, KeyCode.A);
        robot.push(KeyCode.DELETE);
        settle();
        assertThat(window.desk().document().blocks()).hasSize(1);
        assertThat(window.desk().pages().get().count()).isEqualTo(1);
        robot.write("anew");
        settle();
        assertThat(text().strip()).isEqualTo("anew");
    }

    @Test void wordsTypedWhileAFileIsWrittenStayUnsavedAndKept(FxRobot robot) throws TimeoutException, IOException {
        Place place = new Place(heading("Who we are").path(), 0);
        pick(place, place);
        robot.write("First ");
        settle();
        Path copy = handbook.resolveSibling("while typing.docx");
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> {
            window.saveTo(copy);
            // In the same moment, before the file can be there.
            window.desk().apply(Typing.type(window.desk().document(), TextSelection.caret(place), "zweitens ", null));
        });
        until(() -> Files.exists(copy) && window.desk().job().get() == null);
        settle();
        assertThat(TextWriter.write(Decant.open(copy).document())).contains("First Who we are").doesNotContain("zweitens");
        assertThat(window.desk().changed().get()).as("what was typed meanwhile is not in the file").isTrue();
        until(() -> WorkingCopy.kept(Decant.home().resolve("working")).stream()
                .anyMatch(left -> TextWriter.write(Decant.open(left.copy()).document()).contains("zweitens First")));
    }

    /** Steady typing leaves no pause; what is kept is never more than two seconds behind. */
    @Test void steadyTypingIsKeptAllTheSame(FxRobot robot) throws TimeoutException, InterruptedException {
        Place place = new Place(heading("Who we are").path(), 0);
        pick(place, place);
        StringBuilder typed = new StringBuilder();
        for (int i = 0; i < 40; i++) {
            String letter = String.valueOf((char) ('a' + i % 26));
            WaitForAsyncUtils.asyncFx(() -> window.desk().apply(Typing.type(window.desk().document(),
                    TextSelection.caret(new Place(place.path(), typed.length())), letter, null)));
            WaitForAsyncUtils.waitForFxEvents();
            typed.append(letter);
            Thread.sleep(100);
        }
        WorkingCopy.Left left = WorkingCopy.kept(Decant.home().resolve("working")).get(0);
        String kept = TextWriter.write(Decant.open(left.copy()).document());
        assertThat(kept).as("typed up to two seconds ago").contains(typed.substring(0, 18));
        assertThat(Files.exists(left.copy())).isTrue();
    }

    @Test void aStepThatCannotBeLaidOutIsTakenBackAndWorkGoesOn(FxRobot robot) throws TimeoutException {
        Place place = new Place(heading("Who we are").path(), 0);
        pick(place, place);
        String before = text();
        Look impossible = Look.of(TextProperty.SIZE, Double.NaN).with(TextProperty.FAMILY, null);
        Table table = new Table(Look.PLAIN, List.of(100.0), List.of(new Table.Row(impossible, List.of(new Table.Cell(7, 3, 1, Look.PLAIN,
                List.of(Paragraph.of("x")))))));
        Change edit = new Draft(window.desk().document(), TextSelection.caret(place)).add(new BlockStep(Story.BODY, place.path().parent(), place.path().last(),
                place.path().last() + 1, List.of(table))).done(EditKind.TABLE, place);
        WaitForAsyncUtils.asyncFx(() -> window.desk().apply(edit));
        settle();
        if (window.desk().trouble().get() == null) return; // Layout has learned to set even this; there is nothing to take back.
        assertThat(window.desk().trouble().get().getMessage()).contains("was taken back");
        assertThat(text()).isEqualTo(before);
        pick(place, place);
        robot.write("goes on ");
        settle();
        assertThat(text()).contains("goes on Who we are");
    }

    @Test void aQuestionStaysUntilItIsAnswered(FxRobot robot) throws TimeoutException {
        Place place = new Place(heading("Who we are").path(), 0);
        pick(place, place);
        robot.write("x");
        settle();
        WaitForAsyncUtils.asyncFx(() -> window.open(handbook));
        WaitForAsyncUtils.waitForFxEvents();
        String question = Words.of("unsaved.open", "Passenger handbook.docx");
        WaitForAsyncUtils.asyncFx(() -> window.desk().trouble()
                .set(new DecantException(DecantException.Kind.UNREADABLE, Message.said("Something else."))));
        WaitForAsyncUtils.waitForFxEvents();
        WaitForAsyncUtils.asyncFx(() -> window.desk().trouble().set(null));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(robot.lookup(".label").queryAll()).anyMatch(node -> node instanceof Label label && label.getText().equals(question));
    }

    @Test void aCopyThatIsThereAlreadyIsMadeAnewAsACopy(FxRobot robot) throws TimeoutException, IOException {
        Path taken = Files.writeString(handbook.resolveSibling("taken.docx"), "older");
        Recipe recipe = Recipe.PLAIN.to(Target.DOCX);
        WaitForAsyncUtils.asyncFx(() -> window.desk().publishing().publish(List.of(Map.entry("", recipe)), Recipe.Passwords.NONE,
                taken, receipts -> { }));
        until(() -> window.desk().trouble().get() != null);
        WaitForAsyncUtils.waitForFxEvents();
        robot.clickOn((Button) robot.lookup(".button").match(node -> node instanceof Button button && button.getText().equals(Words.of("present.both")))
                .query());
        until(() -> Files.exists(handbook.resolveSibling("taken 2.docx")));
        assertThat(taken).hasContent("older");
        assertThat(handbook.resolveSibling("Outgoing")).doesNotExist();
    }

    /** The window at its smallest: nothing in the line at the top lies over anything else. */
    @Test void theLineAtTheTopKeepsItsPartsApart(FxRobot robot) throws TimeoutException {
        for (double width : new double[] {900, 1000, 1100, 1200, 1280}) {
            WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.stage().setWidth(width));
            robot.sleep(250);
            WaitForAsyncUtils.waitForFxEvents();
            List<Bounds> parts = new ArrayList<>();
            for (String id : List.of("#station-take_in", "#station-revise", "#station-check", "#station-publish", "#folders", "#need")) {
                Node node = robot.lookup(id).query();
                parts.add(node.localToScene(node.getBoundsInLocal()));
            }
            for (int i = 0; i + 1 < parts.size(); i++)
                assertThat(parts.get(i).getMaxX()).as("part " + i + " at " + width).isLessThanOrEqualTo(parts.get(i + 1).getMinX() + 0.5);
            assertThat(parts.get(parts.size() - 1).getMaxX()).isLessThanOrEqualTo(width);
        }
    }

    @Test void standardStylesHavePlainNames() {
        assertThat(StyleNames.plain(new Style("Normal", "Normal", Style.Kind.PARAGRAPH, null, null, Look.PLAIN)))
                .isEqualTo("Text");
        assertThat(StyleNames.plain(new Style("Heading2", "heading 2", Style.Kind.PARAGRAPH, null, null, Look.PLAIN)))
                .isEqualTo("Heading, level 2");
        assertThat(StyleNames.plain(new Style("toc3", "toc 3", Style.Kind.PARAGRAPH, null, null, Look.PLAIN)))
                .isEqualTo("Contents, level 3");
        assertThat(StyleNames.plain(new Style("FareNote", "fare note", Style.Kind.PARAGRAPH, null, null, Look.PLAIN)))
                .isEqualTo("Fare note");
    }

    /** What is typed while another file comes in belongs to the document that is open, and is asked about before that one goes. */
    @Test void keysTypedWhileAnotherFileOpensStayWithTheirDocument(FxRobot robot) throws TimeoutException {
        Path notice = handbook.resolveSibling("Harbour notice 27.docx");
        Place place = new Place(heading("Who we are").path(), 0);
        pick(place, place);
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> {
            window.open(notice);
            window.desk().apply(Typing.type(window.desk().document(), TextSelection.caret(place), "unterwegs ", null));
        });
        until(() -> window.desk().job().get() == null);
        settle();
        assertThat(window.desk().source().get().file()).isEqualTo(handbook);
        assertThat(text()).contains("unterwegs Who we are");
        robot.clickOn((Button) robot.lookup(".button").match(node -> node instanceof Button button && button.getText().equals(Words.of("unsaved.drop")))
                .query());
        until(() -> window.desk().source().get().file().equals(notice));
        settle();
        assertThat(text()).doesNotContain("unterwegs");
        assertThat(window.desk().changed().get()).isFalse();
    }
}
