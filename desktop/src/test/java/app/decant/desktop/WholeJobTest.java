package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Link;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Links;
import app.decant.edit.Search;
import app.decant.edit.TextSelection;
import app.decant.edit.Watermark;
import app.decant.layout.PagedDocument;
import app.decant.page.Item;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeoutException;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** Days at the desk, done as people do them: a slip mended, heads and notes written, sections moved in the spine, styles, links, parts, what changed. */
class WholeJobTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;
    private Path handbook;

    @BeforeEach void open() throws TimeoutException, IOException {
        window = SHARED.window();
        handbook = SHARED.files().get(0);
        SHARED.open(handbook, Station.REVISE);
    }

    private void settle() throws TimeoutException { Waiting.settle(window); }

    private Document document() { return window.desk().document(); }

    private TextSelection picked() { return window.desk().selection().get(); }

    private void pick(TextSelection wanted) throws TimeoutException {
        WaitForAsyncUtils.asyncFx(() -> {
            window.table().pick(wanted, true);
            window.table().requestFocus();
        });
        settle();
    }

    private TextSelection found(String words) {
        return Search.all(document(), words, true).stream().filter(one -> one.story() instanceof Story.Body
                && !(document().find(Story.BODY, one.start().path().parent()) instanceof Contents)).findFirst().orElseThrow();
    }

    private void push(FxRobot robot, KeyCode... codes) throws TimeoutException {
        robot.push(codes);
        settle();
    }

    private void need(FxRobot robot, String key) throws TimeoutException { ask(robot, Words.of(key)); }

    /** Asks for something by the words that it is called by. */
    private void ask(FxRobot robot, String words) throws TimeoutException {
        push(robot, KeyCode.CONTROL, KeyCode.K);
        // All but the last letter at once: what is found is what typing finds.
        robot.interact(() -> robot.lookup("#need-field").<TextField>query().setText(words.substring(0, words.length() - 1)));
        robot.push(KeyCode.END).write(words.substring(words.length() - 1));
        push(robot, KeyCode.ENTER);
    }

    private void undoAll() throws TimeoutException {
        while (window.desk().canUndo()) {
            WaitForAsyncUtils.asyncFx(() -> window.desk().undo());
            settle();
        }
    }

    private void write(FxRobot robot, String words) throws TimeoutException {
        robot.write(words);
        settle();
    }

    private List<String> titles() { return window.desk().pages().get().outline().headings().stream().map(Outline.Heading::title).toList(); }

    /** Fares sorted by what they cost, added up, and put back. */
    @Test void aTableIsSortedAndAddedUp(FxRobot robot) throws TimeoutException {
        Document before = document();
        TextSelection from = found("Ostrey line, adult");
        TextSelection to = found("Inner line, all");
        TextSelection fares = new TextSelection(new Place(from.start().path().with(from.start().path().size() - 2, 1), 0),
                new Place(to.start().path().with(to.start().path().size() - 2, 1), 2));
        pick(fares);
        until(() -> robot.lookup("#table-sum").queryLabeled().getText().equals("5 numbers, together 24.40"));
        need(robot, "command.table.sort.rising");
        assertThat(document().paragraph(new Place(from.start().path(), 0)).plainText()).isEqualTo("Inner line, all");
        undoAll();
        assertThat(document()).isEqualTo(before);
    }

    /** The work of a day without the mouse: every place is found, every step taken, by keys alone; all of it taken back, and done again. */
    @Test void theWholeJobByKeysAlone(FxRobot robot) throws TimeoutException {
        Document before = document();
        // One look for all headings of a kind.
        goTo(robot, "Each passenger");
        push(robot, KeyCode.ALT, KeyCode.UP);
        push(robot, KeyCode.HOME);
        push(robot, KeyCode.SHIFT, KeyCode.END);
        push(robot, KeyCode.CONTROL, KeyCode.I);
        push(robot, KeyCode.CONTROL, KeyCode.E);
        ask(robot, robot.lookup("#echo-give").queryLabeled().getText());
        List<Paragraph> alike = Walk.of(document()).stops().stream().map(Walk.Stop::paragraph)
                .filter(paragraph -> "Heading2".equals(paragraph.style()) && !paragraph.text().isBlank()).toList();
        assertThat(alike).hasSizeGreaterThan(15).allMatch(paragraph -> paragraph.lookBefore(1).is(TextProperty.ITALIC));
        push(robot, KeyCode.ESCAPE);
        // A slip found and mended.
        goTo(robot, "Each passenger");
        push(robot, KeyCode.HOME);
        write(robot, "Pleese note. ");
        until(() -> window.desk().words().slips().get().values().stream().flatMap(List::stream).anyMatch(slip -> slip.word().equals("Pleese")));
        push(robot, KeyCode.CONTROL, KeyCode.HOME);
        need(robot, "command.word.next");
        assertThat(document().paragraph(picked().start()).text().substring(picked().start().offset(), picked().end().offset())).isEqualTo("Pleese");
        until(() -> !robot.lookup("#word-0").queryAll().isEmpty());
        ask(robot, robot.lookup("#word-0").queryLabeled().getText());
        until(() -> count("Pleese") == 0);
        // A row put in, written in, its cells joined.
        goTo(robot, "Ostrey line, adult");
        need(robot, "command.table.row.below");
        write(robot, "Wombats");
        push(robot, KeyCode.TAB);
        write(robot, "free");
        push(robot, KeyCode.SHIFT, KeyCode.LEFT);
        for (int i = 0; i < 5; i++) push(robot, KeyCode.SHIFT, KeyCode.LEFT);
        need(robot, "command.table.merge");
        assertThat(count("Wombats")).isEqualTo(1);
        // Head and note, a section elsewhere, a table from a page of the web.
        need(robot, "command.header");
        write(robot, " draft");
        push(robot, KeyCode.ESCAPE);
        goTo(robot, "Each passenger");
        need(robot, "command.footnote");
        write(robot, "As ordered.");
        push(robot, KeyCode.ESCAPE);
        push(robot, KeyCode.ALT, KeyCode.UP);
        need(robot, "command.section.down");
        assertThat(titles()).containsSubsequence("2.2 Travelling with animals", "2.3 Luggage and bicycles");
        ClipboardContent page = new ClipboardContent();
        page.putString("Pier\t2");
        page.putHtml("<table><tr><th>Pier<td><b>2</b></table>");
        WaitForAsyncUtils.asyncFx(() -> Clipboard.getSystemClipboard().setContent(page));
        push(robot, KeyCode.CONTROL, KeyCode.END);
        push(robot, KeyCode.CONTROL, KeyCode.V);
        assertThat(count("Pier")).isGreaterThan(0);
        Document after = document();
        while (window.desk().canUndo()) several(robot, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
        while (window.desk().canRedo()) several(robot, KeyCode.Y);
        assertThat(document()).isEqualTo(after);
        undoAll();
    }

    private int count(String words) { return Search.all(document(), words, true).size(); }

    /** The same keys again and again, as fast as they go. */
    private void several(FxRobot robot, KeyCode code) throws TimeoutException {
        for (int i = 0; i < 8; i++) robot.push(KeyCode.CONTROL, code);
        settle();
    }

    /** Finds words as one does with keys, and goes on writing there. */
    private void goTo(FxRobot robot, String words) throws TimeoutException {
        push(robot, KeyCode.CONTROL, KeyCode.F);
        write(robot, words);
        push(robot, KeyCode.ENTER);
        push(robot, KeyCode.ESCAPE);
        until(() -> picked() != null && document().paragraph(picked().start()).text().contains(words) && window.table().isFocused());
    }

    /** The fonts at a glance say what is here; one is replaced wherever the handbook says it, and taken back by one step. */
    @Test void aFontIsReplacedEverywhere(FxRobot robot) throws TimeoutException {
        Document before = document();
        robot.interact(() -> robot.lookup("#glance").<ToggleButton>query().fire());
        until(() -> !robot.lookup("#glance-Liberation-Sans").queryAll().isEmpty());
        robot.interact(() -> robot.lookup("#glance-Liberation-Sans").<ComboBox<String>>query().setValue("Carlito"));
        settle();
        until(() -> window.desk().pages().get().fonts().stream().anyMatch(match -> match.family().equals("Carlito")));
        assertThat(window.desk().pages().get().fonts()).noneMatch(match -> match.family().equals("Liberation Sans"));
        undoAll();
        assertThat(document()).isEqualTo(before);
    }

    @Test void aSlipIsFoundWithoutTheMouseAndMended(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick(TextSelection.caret(found("Each passenger").start()));
        write(robot, "Pleese note. ");
        until(() -> window.desk().words().slips().get().values().stream().flatMap(List::stream).anyMatch(slip -> slip.word().equals("Pleese")));
        pick(TextSelection.caret(found("Pleese").start()));
        push(robot, KeyCode.SHIFT, KeyCode.F8);
        assertThat(document().paragraph(picked().start()).text().substring(picked().start().offset(), picked().end().offset())).isEqualTo("Pleese");
        until(() -> !robot.lookup("#word-0").queryAll().isEmpty());
        push(robot, KeyCode.SHIFT, KeyCode.F10);
        until(() -> !robot.lookup("#menu-word-0").queryAll().isEmpty());
        assertThat(robot.lookup("#menu-word-0").query().isFocused()).as("the first remedy is picked").isTrue();
        push(robot, KeyCode.DOWN);
        push(robot, KeyCode.UP);
        push(robot, KeyCode.ENTER);
        // A menu takes its keys in a window of its own, a moment later on a busy machine.
        until(() -> !document().paragraph(picked().head()).text().contains("Pleese"));
        String mended = document().paragraph(picked().head()).text();
        assertThat(mended).doesNotContain("Pleese").contains(" note. Each passenger");
        until(() -> window.desk().words().at(picked().head()) == null);
        undoAll();
        assertThat(document()).isEqualTo(before);
    }

    @Test void aWordOfOnesOwnIsKeptForAllDocuments(FxRobot robot) throws TimeoutException, IOException {
        pick(TextSelection.caret(found("Each passenger").start()));
        write(robot, "Vannerholt ");
        until(() -> window.desk().words().slips().get().values().stream().flatMap(List::stream).anyMatch(slip -> slip.word().equals("Vannerholt")));
        pick(TextSelection.caret(found("Vannerholt").start()));
        until(() -> !robot.lookup("#word-learn").queryAll().isEmpty());
        settle();
        robot.clickOn("#word-learn");
        until(() -> window.desk().words().slips().get().values().stream().flatMap(List::stream).noneMatch(slip -> slip.word().equals("Vannerholt")));
        // While the text is looked through anew nothing is marked, whatever became of the click.
        until(() -> Files.exists(SHARED.home().resolve("words.txt")));
        assertThat(Files.readAllLines(SHARED.home().resolve("words.txt"))).containsExactly("Vannerholt");
    }

    /** The entries of a list of contents are those of the headings: Enter goes on to the next, and nothing of it lands elsewhere. */
    @Test void enterInTheContentsGoesOnToTheNextEntry(FxRobot robot) throws TimeoutException {
        Document before = document();
        BlockPath list = null;
        for (int i = 0; i < before.sections().get(0).blocks().size(); i++)
            if (before.sections().get(0).blocks().get(i) instanceof Contents) list = BlockPath.of(0, i);
        pick(TextSelection.caret(new Place(list.then(1), 4)));
        push(robot, KeyCode.ENTER);
        assertThat(picked()).isEqualTo(TextSelection.caret(new Place(list.then(2), 0)));
        assertThat(document()).isEqualTo(before);
        assertThat(window.desk().canUndo()).isFalse();
    }

    @Test void headsAndNotesAreWrittenWhereTheyStand(FxRobot robot) throws TimeoutException, IOException {
        pick(TextSelection.caret(found("Luggage and bicycles").start()));
        PagedDocument pages = window.desk().pages().get();
        int page = pages.caret(picked().head()).page();
        need(robot, "command.header");
        assertThat(picked().story()).isInstanceOf(Story.Frame.class);
        assertThat(document().paragraph(picked().head()).plainText()).isNotEmpty();
        write(robot, " draft");
        assertThat(document().paragraph(picked().head()).text()).endsWith(" draft");
        double[] point = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(picked().head()));
        assertThat(point[1]).as("seen on the page that is in view").isBetween(0.0, window.table().getHeight());
        push(robot, KeyCode.ESCAPE);
        assertThat(picked().story()).isEqualTo(Story.BODY);

        pick(TextSelection.caret(found("Each passenger").end()));
        need(robot, "command.footnote");
        write(robot, "As the winter order says.");
        Story.Note note = (Story.Note) picked().story();
        assertThat(document().paragraph(note.mark()).text().substring(0, note.mark().offset())).endsWith("Each passenger");
        push(robot, KeyCode.ESCAPE);

        // By the mouse too: a click into the note, a click into the text.
        Place inNote = new Place(note, Walk.of(document(), note).stops().get(0).path(), 6);
        double[] at = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(inNote));
        Point2D screen = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().localToScreen(at[0], at[1]));
        boolean inView = at[1] > 0 && at[1] < window.table().getHeight();
        if (inView) {
            robot.clickOn(screen, MouseButton.PRIMARY);
            settle();
            assertThat(picked().head()).isEqualTo(inNote);
        }
        Path saved = SHARED.own().resolve("saved.odt");
        WaitForAsyncUtils.asyncFx(() -> window.saveTo(saved));
        until(() -> Files.exists(saved) && window.desk().job().get() == null);
        Document again = Decant.open(saved, null, Progress.SILENT).document();
        assertThat(Stories.all(again).stream().flatMap(story -> Walk.of(again, story).stops().stream()).map(stop -> stop.paragraph().plainText()))
                .anyMatch(text -> text.endsWith(" draft")).anyMatch(text -> text.endsWith("As the winter order says."));
        assertThat(page).isPositive();
    }

    @Test void aSectionIsDraggedInTheSpineAndItsHeadingWrittenAnewThere(FxRobot robot) throws TimeoutException {
        Document before = document();
        assertThat(titles()).containsSubsequence("2.2 Luggage and bicycles", "2.3 Travelling with animals", "2.4 Vehicles");
        double from = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().rowY("2.4 Vehicles"));
        double to = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().rowY("2.2 Luggage and bicycles"));
        Point2D start = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().node().localToScreen(90, from));
        Point2D end = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().node().localToScreen(90, to - 4));
        robot.drag(start, MouseButton.PRIMARY).moveTo(start.add(0, -9)).moveTo(end).drop();
        settle();
        assertThat(titles()).containsSubsequence("2.2 Vehicles", "2.3 Luggage and bicycles", "2.4 Travelling with animals");
        double row = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().rowY("2.2 Vehicles"));
        Point2D heading = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().node().localToScreen(90, row));
        // Two presses that a busy machine takes too long for are none together.
        for (int i = 0; i < 5 && !(robot.window(0).getScene().getFocusOwner() instanceof TextField name && "spine-name".equals(name.getId())); i++) {
            robot.doubleClickOn(heading);
            settle();
        }
        // All of it is picked: what is written takes its place.
        robot.write("Cars and vans");
        push(robot, KeyCode.ENTER);
        assertThat(titles()).contains("2.2 Cars and vans");
        assertThat(document().blocks().stream().filter(Contents.class::isInstance).map(Contents.class::cast).flatMap(list -> list.entries().stream())
                .map(Paragraph::plainText)).anyMatch(entry -> entry.contains("Cars and vans"));
        undoAll();
        assertThat(document()).isEqualTo(before);
    }

    @Test void aStyleFollowsAPassageIsMadeReplacedAndTidied(FxRobot robot) throws TimeoutException {
        TextSelection heading = found("Who we are");
        TextSelection other = found("The three lines");
        pick(heading);
        push(robot, KeyCode.CONTROL, KeyCode.I);
        need(robot, "command.style.follow");
        assertThat(Cascade.of(document()).text(document().paragraph(other.start()), document().paragraph(other.start()).lookBefore(1)).is(TextProperty.ITALIC))
                .isTrue();
        pick(TextSelection.caret(found("Each passenger").start()));
        robot.clickOn("#paragraph-more");
        robot.clickOn("#paragraph-after");
        push(robot, KeyCode.CONTROL, KeyCode.A);
        robot.write("21");
        push(robot, KeyCode.ENTER);
        assertThat(document().paragraph(picked().start()).look().get(ParagraphProperty.SPACE_AFTER)).isEqualTo(21.0);
        robot.clickOn("#style-more");
        robot.clickOn("#style-name");
        robot.write("Baggage rule");
        push(robot, KeyCode.ENTER);
        String style = document().paragraph(picked().start()).style();
        assertThat(document().styles().style(style).look().get(ParagraphProperty.SPACE_AFTER)).isEqualTo(21.0);
        assertThat(document().paragraph(picked().start()).look().says(ParagraphProperty.SPACE_AFTER)).isFalse();
        int styles = document().styles().styles().size();
        need(robot, "command.style.tidy");
        assertThat(document().styles().styles()).hasSizeLessThanOrEqualTo(styles).containsKey(style);
    }

    @Test void wordsLeadSomewhereAndAPartGetsPagesOfItsOwn(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick(found("Each passenger"));
        need(robot, "command.link");
        robot.write("ostreysound.example/luggage");
        push(robot, KeyCode.ENTER);
        assertThat(Links.at(document(), picked())).isEqualTo(new Link.Address("https://ostreysound.example/luggage"));
        need(robot, "command.link.out");
        assertThat(Links.at(document(), picked())).isNull();
        pick(TextSelection.caret(found("Each passenger").start()));
        need(robot, "command.section.begin");
        int part = picked().head().path().step(0);
        robot.clickOn("#paragraph-more");
        robot.clickOn("#paragraph-more");
        WaitForAsyncUtils.asyncFx(() -> robot.lookup("#pages-more").<ToggleButton>query().fire());
        WaitForAsyncUtils.waitForFxEvents();
        WaitForAsyncUtils.asyncFx(() -> robot.lookup("#pages-across").<CheckBox>query().fire());
        settle();
        assertThat(document().sections().get(part).page().isLandscape()).isTrue();
        assertThat(document().sections().get(part - 1).page().isLandscape()).isFalse();
        PagedDocument pages = window.desk().pages().get();
        int page = pages.caret(picked().head()).page();
        assertThat(pages.page(page).width()).isGreaterThan(pages.page(page - 1).width());
        WaitForAsyncUtils.asyncFx(() -> window.table().requestFocus());
        undoAll();
        assertThat(document()).isEqualTo(before);
    }

    @Test void wordsUnderTheTextOfEveryPageAreWrittenByKeysAloneInAFieldThatComesIntoView(FxRobot robot) throws TimeoutException {
        Document before = document();
        need(robot, "command.watermark");
        WaitForAsyncUtils.waitForFxEvents();
        Node field = robot.lookup("#pages-watermark").query();
        Bounds slip = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.slip().node().localToScene(window.slip().node().getLayoutBounds()));
        until(() -> slip.contains(field.localToScene(field.getLayoutBounds())));
        robot.write("DRAFT");
        push(robot, KeyCode.ENTER);
        assertThat(Watermark.of(document())).isEqualTo("DRAFT");
        assertThat(window.desk().pages().get().page(2).frame()).as("on the third page").anyMatch(item -> item instanceof Item.PictureItem);
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> robot.lookup("#pages-more").<ToggleButton>query().fire());
        WaitForAsyncUtils.asyncFx(() -> window.table().requestFocus());
        undoAll();
        assertThat(document()).isEqualTo(before);
    }

    @Test void whatWasChangedIsListedPutBackAndKept(FxRobot robot) throws TimeoutException, IOException {
        Document before = document();
        pick(TextSelection.caret(found("Each passenger").end()));
        write(robot, " over six");
        pick(found("Who we are"));
        push(robot, KeyCode.CONTROL, KeyCode.I);
        need(robot, "command.changes");
        until(() -> !robot.lookup("#change-back-1").queryAll().isEmpty());
        Path page = SHARED.own().resolve("changed.html");
        WaitForAsyncUtils.asyncFx(() -> window.slip().changes().keep(page));
        until(() -> Files.exists(page));
        assertThat(Files.readString(page)).matches("(?s).*<ins>\\s?over six\\s?</ins>.*").contains("Each passenger");
        robot.clickOn("#change-back-0");
        settle();
        until(() -> robot.lookup("#change-back-1").queryAll().isEmpty());
        robot.clickOn("#change-back-0");
        settle();
        assertThat(document()).isEqualTo(before);
        Path other = SHARED.own().resolve("other.docx");
        pick(TextSelection.caret(found("Each passenger").end()));
        write(robot, " over nine");
        WaitForAsyncUtils.asyncFx(() -> window.saveTo(other));
        until(() -> Files.exists(other) && window.desk().job().get() == null);
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
        WaitForAsyncUtils.asyncFx(() -> window.slip().changes().against(other));
        until(() -> robot.lookup("#change-go-0").queryAll().size() == 1 && robot.lookup("#change-go-1").queryAll().isEmpty());
        push(robot, KeyCode.ESCAPE);
        assertThat(window.slip().changes().isOn()).isFalse();
    }

    @Test void helpsWhileTypingAreOneStepEachAndCanBeSwitchedOff(FxRobot robot) throws TimeoutException {
        pick(TextSelection.caret(found("Each passenger").start()));
        write(robot, "say \"");
        assertThat(document().paragraph(picked().head()).text()).startsWith("Say \u201C");
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document().paragraph(picked().head()).text()).startsWith("Say \"");
        need(robot, "command.aid.quotes");
        write(robot, "\"");
        assertThat(document().paragraph(picked().head()).text()).startsWith("Say \"\"");
    }
}
