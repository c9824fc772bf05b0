package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.desktop.table.PageTable;
import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.FontFile;
import app.decant.document.Inline;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.ColumnWidths;
import app.decant.edit.Lists;
import app.decant.edit.ObjectSelection;
import app.decant.edit.Pictures;
import app.decant.edit.Placing;
import app.decant.edit.Search;
import app.decant.edit.Tables;
import app.decant.edit.TextBoxes;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.format.text.TextWriter;
import app.decant.layout.PagedDocument;
import app.decant.layout.TablePlaces;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeoutException;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.InputMethodEvent;
import javafx.scene.input.InputMethodHighlight;
import javafx.scene.input.InputMethodTextRun;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javax.imageio.ImageIO;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** Revising as people do it: words found and replaced, tables, one look for all of a kind, copies in other formats. */
class ReviseTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;
    private Path handbook;

    @BeforeEach void open() throws TimeoutException, IOException {
        window = SHARED.window();
        handbook = SHARED.files().get(0);
        SHARED.open(handbook, Station.REVISE);
        // Words and choices of the last search are still there.
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> {
            for (String choice : List.of("#find-case", "#find-whole", "#find-pattern", "#find-look", "#find-list"))
                ((CheckBox) window.find().node().lookup(choice)).setSelected(false);
            for (String field : List.of("#find", "#instead")) ((TextField) window.find().node().lookup(field)).clear();
        });
    }

    private void settle() throws TimeoutException { Waiting.settle(window); }

    private Document document() { return window.desk().document(); }

    private void pick(TextSelection wanted) throws TimeoutException {
        WaitForAsyncUtils.asyncFx(() -> {
            window.table().pick(wanted, true);
            window.table().requestFocus();
        });
        settle();
    }

    private void pick(String words) throws TimeoutException { pick(TextSelection.caret(Search.all(document(), words, true).get(0).start())); }

    private void push(FxRobot robot, KeyCode... codes) throws TimeoutException {
        robot.push(codes);
        settle();
    }

    private int count(String words) { return Search.all(document(), words, true).size(); }

    /** In words that run from right to left the keys go where the eye goes, and what is picked with them. */
    @Test void theCaretGoesWhereItsKeyPoints(FxRobot robot) throws TimeoutException {
        pick("Who we are");
        Place start = window.desk().selection().get().head().at(0);
        String words = "\u05E9\u05DC\u05D5\u05DD \u05E2\u05D5\u05DC\u05DD";
        WaitForAsyncUtils.asyncFx(() -> window.desk().apply(Typing.type(document(), TextSelection.caret(start), words + " and ", null)));
        settle();
        pick(TextSelection.caret(start));
        double before = caretX(start);
        for (int i = 1; i < words.length(); i++) {
            push(robot, KeyCode.LEFT);
            Place now = window.desk().selection().get().head();
            assertThat(now.offset()).isEqualTo(i);
            assertThat(caretX(now)).isLessThan(before);
            before = caretX(now);
        }
        push(robot, KeyCode.RIGHT);
        assertThat(window.desk().selection().get().head().offset()).isEqualTo(words.length() - 2);
        push(robot, KeyCode.SHIFT, KeyCode.RIGHT);
        assertThat(window.desk().selection().get()).isEqualTo(new TextSelection(start.at(words.length() - 2), start.at(words.length() - 3)));
        // Among the others they are what they were.
        pick(TextSelection.caret(start.at(words.length() + 2)));
        push(robot, KeyCode.RIGHT);
        assertThat(window.desk().selection().get().head().offset()).isEqualTo(words.length() + 3);
        push(robot, KeyCode.LEFT);
        assertThat(window.desk().selection().get().head().offset()).isEqualTo(words.length() + 2);
        // Over the seam, letter by letter by what is seen: from behind the words into them.
        for (int i = 0; i < 4; i++) {
            double here = caretX(window.desk().selection().get().head());
            push(robot, KeyCode.LEFT);
            assertThat(caretX(window.desk().selection().get().head())).isLessThan(here);
        }
        assertThat(window.desk().selection().get().head().offset()).isEqualTo(2);
    }

    private double caretX(Place place) throws TimeoutException {
        return WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(place)[0]);
    }

    @Test void theFirstPlaceIsShownWhileOneTypesAndOthersTakeTheirPlace(FxRobot robot) throws TimeoutException {
        Document before = document();
        int places = count("adult");
        assertThat(places).isGreaterThan(2);
        push(robot, KeyCode.CONTROL, KeyCode.H);
        robot.write("adult");
        settle();
        // Each place has its mark in the spine, page by page.
        List<Double> marks = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.spine().lit());
        assertThat(marks).hasSizeGreaterThanOrEqualTo(places).isSorted();
        List<Integer> pages = WaitForAsyncUtils.waitForAsyncFx(5000, () -> Search.all(document(), "adult", false).stream()
                .map(one -> window.desk().pages().get().spot(one.start()).page()).toList());
        assertThat(marks.stream().map(Double::intValue)).isEqualTo(pages);
        TextSelection first = window.desk().selection().get();
        assertThat(document().paragraph(first.start()).text().substring(first.start().offset(), first.end().offset())).isEqualToIgnoringCase("adult");
        robot.clickOn("#find-case");
        robot.clickOn("#instead").write("grown-up");
        robot.clickOn("#replace");
        settle();
        assertThat(count("adult")).isEqualTo(places - 1);
        assertThat(count("grown-up")).isEqualTo(1);
        robot.clickOn("#replace-all");
        settle();
        assertThat(count("adult")).isZero();
        assertThat(count("grown-up")).isEqualTo(places);
        push(robot, KeyCode.ESCAPE);
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(count("adult")).as("all at once is undone at once").isEqualTo(places - 1);
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    /** In what was picked when the bar came, and nowhere else, also after some of it was replaced. */
    @Test void onlyWhatIsPickedIsLookedThroughWhereThatIsWished(FxRobot robot) throws TimeoutException {
        Document before = document();
        Place first = Search.all(document(), "Each passenger may bring", true).get(0).start().at(0);
        pick(new TextSelection(first, first.at(document().paragraph(first).length())));
        int everywhere = count("a");
        int here = document().paragraph(first).text().toLowerCase(Locale.ROOT).split("a", -1).length - 1;
        assertThat(here).isBetween(2, everywhere - 1);
        push(robot, KeyCode.CONTROL, KeyCode.H);
        robot.interact(() -> robot.lookup("#find").<TextField>query().setText("a"));
        robot.interact(() -> robot.lookup("#find-part").<CheckBox>query().fire());
        robot.interact(() -> robot.lookup("#instead").<TextField>query().setText("\u00E6"));
        settle();
        robot.interact(() -> robot.lookup("#replace").queryButton().fire());
        settle();
        robot.interact(() -> robot.lookup("#replace-all").queryButton().fire());
        settle();
        assertThat(count("\u00E6")).isEqualTo(here);
        assertThat(document().paragraph(first).text().toLowerCase(Locale.ROOT)).doesNotContain("a");
        push(robot, KeyCode.ESCAPE);
        while (window.desk().canUndo()) push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    @Test void whatLooksAlikeIsFoundAndListedAndPickedFromTheList(FxRobot robot) throws TimeoutException {
        Place heading = Search.all(document(), "Who we are", true).stream().map(TextSelection::start)
                .filter(place -> "Heading2".equals(document().paragraph(place).style())).findFirst().orElseThrow();
        pick(TextSelection.caret(heading.at(3)));
        push(robot, KeyCode.CONTROL, KeyCode.F);
        robot.clickOn("#find-look");
        robot.clickOn("#find-list");
        settle();
        ListView<TextSelection> list = robot.lookup("#found-list").queryAs(ListView.class);
        List<String> headings = list.getItems().stream().map(one -> document().paragraph(one.start()).style()).distinct().toList();
        assertThat(headings).containsExactly("Heading2");
        assertThat(list.getItems()).hasSizeGreaterThan(15);
        TextSelection third = list.getItems().get(2);
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> list.getSelectionModel().select(2));
        settle();
        assertThat(window.desk().selection().get()).isEqualTo(third);
        robot.clickOn("#find").write("safety");
        settle();
        assertThat(list.getItems()).allSatisfy(one -> assertThat(document().paragraph(one.start()).style()).isEqualTo("Heading2"));
        push(robot, KeyCode.ESCAPE);
    }

    @Test void aPatternReplacesByItsPartsAndOneThatIsNoneIsSaid(FxRobot robot) throws TimeoutException {
        push(robot, KeyCode.CONTROL, KeyCode.H);
        robot.clickOn("#find-pattern");
        robot.clickOn("#find").write("(adult");
        settle();
        assertThat(robot.lookup(".label").queryAll()).anyMatch(node -> node instanceof Label label && label.getText().startsWith("This is no pattern"));
        WaitForAsyncUtils.asyncFx(() -> robot.lookup("#find").queryAs(TextField.class).setText("Ostrey line, (adult|under sixteen)"));
        robot.clickOn("#instead");
        WaitForAsyncUtils.asyncFx(() -> robot.lookup("#instead").queryAs(TextField.class).setText("$1 on the Ostrey line"));
        settle();
        robot.clickOn("#replace-all");
        settle();
        assertThat(count("adult on the Ostrey line")).isEqualTo(1);
        assertThat(count("under sixteen on the Ostrey line")).isEqualTo(1);
    }

    private Table table(BlockPath path) { return (Table) document().find(Story.BODY, path); }

    @Test void rowsAndColumnsByKeysButtonsAndTheMenuAtThePointer(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick("Inner line, all");
        BlockPath path = window.desk().selection().get().head().path().parent().parent().parent();
        assertThat(table(path).rows()).hasSize(6);
        for (int i = 0; i < 4; i++) push(robot, KeyCode.TAB);
        assertThat(document().paragraph(window.desk().selection().get().head()).text()).isEqualTo("36.00");
        push(robot, KeyCode.TAB);
        assertThat(table(path).rows()).as("Tab behind the last cell makes a row").hasSize(7);
        robot.write("Night line");
        push(robot, KeyCode.SHIFT, KeyCode.TAB);
        assertThat(document().paragraph(window.desk().selection().get().head()).text()).isEqualTo("36.00");
        robot.clickOn("#table-column-before");
        settle();
        assertThat(table(path).rows()).allSatisfy(row -> assertThat(row.cells()).hasSize(6));
        Place one = Search.all(document(), "Skerrow line, adult", true).get(0).start();
        Place other = Search.all(document(), "Skerrow line, under sixteen", true).get(0).start();
        pick(new TextSelection(one, other));
        double[] at = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(other));
        // The screen that tests draw on makes no such event of a mouse button.
        WaitForAsyncUtils.asyncFx(() -> {
            Point2D screen = window.table().localToScreen(at[0], at[1]);
            Point2D scene = window.table().localToScene(at[0], at[1]);
            Event.fireEvent(window.table(), new ContextMenuEvent(ContextMenuEvent.CONTEXT_MENU_REQUESTED, scene.getX(), scene.getY(), screen.getX(),
                    screen.getY(), false, null));
        });
        WaitForAsyncUtils.waitForFxEvents();
        settle();
        robot.clickOn((Label) robot.lookup(".label").match(node -> node instanceof Label label && label.getText().equals(Words.of("command.table.merge")))
                .query());
        settle();
        Table.Cell joined = ((Table) document().find(Story.BODY, path)).rows().get(3).cells().get(0);
        assertThat(joined.rowSpan()).isEqualTo(2);
        assertThat(joined.blocks()).extracting(block -> ((Paragraph) block).text()).containsExactly("Skerrow line, adult", "Skerrow line, under sixteen");
        while (window.desk().canUndo()) push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    /** What reaches over several cells means their rectangle: a column made bold, and emptied, leaves its neighbours alone. */
    @Test void cellsOfAColumnAreDressedAndEmptiedByThemselves(FxRobot robot) throws TimeoutException {
        Document before = document();
        Place from = Search.all(document(), "Ostrey line, adult", true).get(0).start();
        Place to = Search.all(document(), "Skerrow line, under sixteen", true).get(0).end();
        pick(new TextSelection(from, to));
        push(robot, KeyCode.CONTROL, KeyCode.B);
        push(robot, KeyCode.CONTROL, KeyCode.I);
        Table table = table(from.path().parent().parent().parent());
        for (int r = 1; r < 5; r++) {
            for (int c = 0; c < 5; c++) {
                Paragraph paragraph = (Paragraph) table.rows().get(r).cells().get(c).blocks().get(0);
                assertThat(paragraph.lookBefore(1).is(TextProperty.BOLD) && paragraph.lookBefore(1).is(TextProperty.ITALIC)).as("%d %d", r, c)
                        .isEqualTo(c == 0);
            }
        }
        push(robot, KeyCode.DELETE);
        table = table(from.path().parent().parent().parent());
        assertThat(((Paragraph) table.rows().get(2).cells().get(0).blocks().get(0)).text()).isEmpty();
        assertThat(((Paragraph) table.rows().get(2).cells().get(1).blocks().get(0)).text()).isEqualTo("3.20");
        while (window.desk().canUndo()) push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    @Test void aTableIsPutInAndTakenOutByWhatOneNeeds(FxRobot robot) throws TimeoutException {
        pick("Each passenger may bring");
        int blocks = document().blocks().size();
        push(robot, KeyCode.CONTROL, KeyCode.K);
        robot.write(Words.of("command.table.in"));
        push(robot, KeyCode.ENTER);
        assertThat(document().blocks()).hasSize(blocks + 1);
        robot.write("a");
        push(robot, KeyCode.TAB);
        robot.write("b");
        settle();
        BlockPath path = window.desk().selection().get().head().path().parent().parent().parent();
        Table made = table(path);
        assertThat(made.rows()).hasSize(3);
        assertThat(made.rows().get(0).look().is(TableProperty.HEADER_ROW)).isTrue();
        assertThat(((Paragraph) made.rows().get(0).cells().get(1).blocks().get(0)).text()).isEqualTo("b");
        push(robot, KeyCode.SHIFT, KeyCode.F10);
        robot.clickOn((Label) robot.lookup(".label").match(node -> node instanceof Label label && label.getText().equals(Words.of("command.table.rows.out")))
                .query());
        settle();
        assertThat(table(path).rows()).hasSize(2);
    }

    @Test void echoGivesOneLookToAllOfAKindButWhatIsUnticked(FxRobot robot) throws TimeoutException {
        TextSelection heading = Search.all(document(), "Luggage and bicycles", true).stream()
                .filter(one -> document().paragraph(one.start()).text().equals("Luggage and bicycles")).findFirst().orElseThrow();
        pick(heading);
        push(robot, KeyCode.CONTROL, KeyCode.I);
        push(robot, KeyCode.CONTROL, KeyCode.E);
        List<CheckBox> ticks = robot.lookup(".check-box").queryAllAs(CheckBox.class).stream().filter(tick -> tick.getText().equals("Who we are")).toList();
        WaitForAsyncUtils.asyncFx(() -> ticks.get(0).setSelected(false));
        settle();
        robot.clickOn("#echo-give");
        settle();
        List<Paragraph> alike = Walk.of(document()).stops().stream().map(Walk.Stop::paragraph)
                .filter(paragraph -> "Heading2".equals(paragraph.style()) && !paragraph.text().isBlank()).toList();
        assertThat(alike).hasSizeGreaterThan(15).allSatisfy(paragraph -> assertThat(paragraph.lookBefore(1).is(TextProperty.ITALIC)).as(paragraph.text())
                .isEqualTo(!paragraph.text().equals("Who we are")));
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document().paragraph(Search.all(document(), "Mobility and assistance", true).get(0).start()).lookBefore(1).is(TextProperty.ITALIC))
                .isFalse();
        push(robot, KeyCode.CONTROL, KeyCode.E);
        assertThat(robot.lookup("#echo-give").queryAs(Button.class).isVisible()).isTrue();
        push(robot, KeyCode.ESCAPE);
        assertThat(window.slip().echoed().isOn()).isFalse();
    }

    @Test void echoHeldOnGivesTheLookToWhatIsClickedUntilEsc(FxRobot robot) throws TimeoutException {
        Document before = document();
        TextSelection heading = Search.all(document(), "Luggage and bicycles", true).stream()
                .filter(one -> document().paragraph(one.start()).text().equals("Luggage and bicycles")).findFirst().orElseThrow();
        pick(heading);
        push(robot, KeyCode.CONTROL, KeyCode.E);
        robot.clickOn("#echo-hold");
        settle();
        Place text = new Place(heading.start().path().parent().then(heading.start().path().step(heading.start().path().size() - 1) + 1), 3);
        String words = document().paragraph(text).text();
        double[] at = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(text));
        robot.clickOn(screen(at[0] + 4, at[1]));
        settle();
        assertThat(document().paragraph(text).style()).isEqualTo("Heading2");
        assertThat(document().paragraph(text).text()).isEqualTo(words);
        push(robot, KeyCode.ESCAPE);
        push(robot, KeyCode.DOWN);
        settle();
        assertThat(window.slip().echoed().isOn()).isFalse();
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    @Test void aFontIsAddedFromAFile() throws TimeoutException, IOException {
        Document before = document();
        Path file = handbook.resolveSibling("own.ttf");
        try (InputStream in = FontCatalogue.class.getResourceAsStream("LiberationSerif-Italic.ttf")) {
            Files.write(file, in.readAllBytes());
        }
        WaitForAsyncUtils.asyncFx(() -> window.slip().fonts().add(file));
        until(() -> !document().fonts().isEmpty());
        assertThat(document().fonts()).extracting(FontFile::family).containsExactly("Liberation Serif");
        settle();
        Path text = Files.writeString(handbook.resolveSibling("no font.ttf"), "words");
        WaitForAsyncUtils.asyncFx(() -> window.slip().fonts().add(text));
        until(() -> window.desk().trouble().get() != null && window.desk().trouble().get().getMessage().contains("no font.ttf"));
        WaitForAsyncUtils.asyncFx(() -> {
            window.desk().trouble().set(null);
            window.desk().undo();
        });
        until(() -> document().equals(before));
    }

    /** Writes another measure into a field. */
    private static void measure(FxRobot robot, String field, String value) {
        robot.clickOn(field).press(KeyCode.SHORTCUT).type(KeyCode.A).release(KeyCode.SHORTCUT).write(value).type(KeyCode.ENTER);
    }

    @Test void aPictureIsPickedSizedDescribedReplacedAndPutIn(FxRobot robot) throws TimeoutException, IOException {
        Document before = document();
        Picture ship = pictures().stream().filter(one -> one.image().type().equals("image/jpeg")).findFirst().orElseThrow();
        pick(TextSelection.caret(Pictures.find(document(), ship).start()));
        double[] at = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(Pictures.find(document(), ship).start()));
        Point2D point = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().localToScreen(at[0] + 30, at[1]));
        robot.clickOn(point);
        settle();
        assertThat(window.desk().selection().get()).isEqualTo(Pictures.find(document(), ship));
        robot.clickOn("#picture-description").write(" and a gull");
        measure(robot, "#picture-width", "80");
        settle();
        Picture made = pictures().stream().filter(one -> one.image().equals(ship.image())).findFirst().orElseThrow();
        assertThat(made.width()).isCloseTo(80 * 72 / 25.4, within(0.1));
        assertThat(made.height() / made.width()).isCloseTo(ship.height() / ship.width(), within(0.001));
        assertThat(made.description()).contains("and a gull").isNotEqualTo(ship.description());
        robot.clickOn("#picture-turn");
        until(() -> pictures().stream().noneMatch(one -> one.image().equals(ship.image())));
        settle();
        Picture turned = Pictures.picked(document(), window.desk().selection().get());
        assertThat(turned.width() / turned.height()).isCloseTo(made.height() / made.width(), within(0.001));
        assertThat(turned.image().type()).as("a photograph stays one").isEqualTo("image/jpeg");
        assertThat(turned.description()).isEqualTo(made.description());
        Path square = handbook.resolveSibling("square.bmp");
        ImageIO.write(new BufferedImage(40, 40, BufferedImage.TYPE_INT_RGB), "bmp", square.toFile());
        WaitForAsyncUtils.asyncFx(() -> window.slip().pictures().replace(square));
        until(() -> pictures().stream().noneMatch(one -> one.image().equals(turned.image())));
        settle();
        Picture other = Pictures.picked(document(), window.desk().selection().get());
        assertThat(other.image().type()).isEqualTo("image/png");
        assertThat(other.height()).isCloseTo(other.width(), within(0.01));
        pick(TextSelection.caret(Search.all(document(), "Each passenger may bring", true).get(0).start()));
        int count = pictures().size();
        WaitForAsyncUtils.asyncFx(() -> window.slip().pictures().insert(square));
        until(() -> pictures().size() == count + 1);
        Path text = Files.writeString(handbook.resolveSibling("no picture.png"), "words");
        WaitForAsyncUtils.asyncFx(() -> window.slip().pictures().insert(text));
        until(() -> window.desk().trouble().get() != null && window.desk().trouble().get().getMessage().contains("can't be read as a picture"));
        pick(TextSelection.caret(window.desk().selection().get().head()));
        while (window.desk().canUndo()) push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
        // A picture has no letters to underline.
        pick(Pictures.find(document(), ship));
        push(robot, KeyCode.CONTROL, KeyCode.U);
        assertThat(window.desk().canUndo()).isFalse();
    }

    @Test void aPictureIsTakenByItsEdgesCarriedCutAndSetBesideTheText(FxRobot robot) throws TimeoutException {
        Document before = document();
        Picture ship = pictures().stream().filter(one -> one.image().type().equals("image/jpeg")).findFirst().orElseThrow();
        pick(Pictures.find(document(), ship));
        settle();
        PageTable.Framed frame = framed();
        robot.drag(screen(frame.x() + frame.width(), frame.y() + frame.height()))
                .dropTo(screen(frame.x() + frame.width() * 0.7, frame.y() + frame.height() * 0.7));
        settle();
        assertThat(picked().width()).isCloseTo(ship.width() * 0.7, within(ship.width() * 0.02));
        assertThat(picked().height() / picked().width()).isCloseTo(ship.height() / ship.width(), within(0.001));
        // Let go by Esc, nothing is another.
        PageTable.Framed small = framed();
        robot.drag(screen(small.x() + small.width() / 2, small.y() + small.height())).moveTo(screen(small.x(), small.y() + 10)).type(KeyCode.ESCAPE).drop();
        settle();
        assertThat(framed()).isEqualTo(small);

        select(robot, "#picture-standing", Placing.OVER);
        settle();
        PageTable.Framed over = framed();
        robot.drag(screen(over.x() + 40, over.y() + 40)).dropTo(screen(over.x() + 100, over.y() + 70));
        settle();
        double point = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().scale());
        assertThat(framed().left() - over.left()).isCloseTo(60 / point, within(1.0));
        assertThat(framed().top() - over.top()).isCloseTo(30 / point, within(1.0));
        measure(robot, "#picture-from-left", "25");
        settle();
        assertThat(framed().left()).isCloseTo(25 * 72 / 25.4, within(0.2));
        int level = level();
        robot.clickOn("#picture-over");
        settle();
        assertThat(level()).isGreaterThan(level);
        robot.clickOn("#picture-cut");
        measure(robot, "#picture-cut-left", "10");
        settle();
        assertThat(picked().crop().left()).isGreaterThan(0.05);
        select(robot, "#picture-standing", Placing.TEXT_AT_RIGHT);
        settle();
        assertThat(Pictures.placing(document(), window.desk().selection().get())).isEqualTo(Placing.TEXT_AT_RIGHT);
        pick(TextSelection.caret(window.desk().selection().get().head()));
        while (window.desk().canUndo()) push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    /** What JavaFX tells of input methods on any system: letters that are being made up, then those that were. */
    @Test void whatAnInputMethodMakesUpIsShownAtTheCaretAndTypedOnceItIsDone(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick(TextSelection.caret(Search.all(document(), "Each passenger may bring", true).get(0).start()));
        compose(List.of(new InputMethodTextRun("とうきょう", InputMethodHighlight.UNSELECTED_RAW)), "");
        assertThat(robot.lookup("#composition").<Label>query().getText()).isEqualTo("とうきょう");
        assertThat(document()).isEqualTo(before);
        Point2D at = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().getInputMethodRequests().getTextLocation(0));
        Bounds table = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().localToScreen(window.table().getLayoutBounds()));
        assertThat(table.contains(at)).as("the list of signs opens at the caret").isTrue();
        compose(List.of(), "東京");
        assertThat(count("東京Each passenger may bring")).isOne();
        assertThat(robot.lookup("#composition").queryAll()).isEmpty();
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    private void compose(List<InputMethodTextRun> composed, String committed) throws TimeoutException {
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> Event.fireEvent(window.table(), new InputMethodEvent(InputMethodEvent.INPUT_METHOD_TEXT_CHANGED, composed,
                committed, 0)));
        settle();
        WaitForAsyncUtils.waitForFxEvents();
    }

    @Test void aBoxOfTextIsPutInWrittenInWidenedAndTakenOut(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick(TextSelection.caret(Search.all(document(), "Each passenger may bring", true).get(0).start()));
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.commands().named("box.in").run());
        settle();
        robot.write("Ask here");
        settle();
        assertThat(TextBoxes.at(document(), window.desk().selection().get()).blocks()).first()
                .satisfies(block -> assertThat(((Paragraph) block).text()).isEqualTo("Ask here"));
        measure(robot, "#box-width", "70");
        settle();
        assertThat(TextBoxes.at(document(), window.desk().selection().get()).width()).isCloseTo(70 * 72 / 25.4, within(0.2));
        select(robot, "#box-standing", Placing.ALONE);
        settle();
        assertThat(TextBoxes.placing(document(), window.desk().selection().get())).isEqualTo(Placing.ALONE);
        robot.clickOn("#box-out");
        settle();
        assertThat(document()).isEqualTo(before);
        while (window.desk().canUndo()) push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    private PageTable.Framed framed() { return WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().framed()); }

    private int level() {
        return ((Inline.Floating) new ObjectSelection(window.desk().selection().get().start()).object(document())).anchor().level();
    }

    private Picture picked() { return Pictures.picked(document(), window.desk().selection().get()); }

    private Point2D screen(double x, double y) { return WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().localToScreen(x, y)); }

    private void select(FxRobot robot, String id, Placing wished) {
        ComboBox<Placing> box = robot.lookup(id).queryAs(ComboBox.class);
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> box.getSelectionModel().select(wished));
    }

    private List<Picture> pictures() {
        List<Picture> pictures = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document()).stops())
            for (Inline inline : stop.paragraph().inlines()) if (inline instanceof Inline.InlinePicture one) pictures.add(one.picture());
        return pictures;
    }

    @Test void aSectionMovesAndItsHeadingIsLoweredByWhatOneNeeds(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick(Search.all(document(), "Luggage and bicycles", true).stream().filter(one -> document().paragraph(one.start()).text()
                .equals("Luggage and bicycles"))
                .findFirst().orElseThrow());
        need(robot, "command.section.down");
        assertThat(titles()).containsSubsequence("2.1 Tickets and fares", "2.2 Travelling with animals", "2.3 Luggage and bicycles", "2.4 Vehicles");
        need(robot, "command.heading.lower");
        assertThat(titles()).containsSubsequence("2.2 Travelling with animals", "2.2.1 Luggage and bicycles", "2.3 Vehicles");
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    /** A level left out between two headings is named, and one click puts it right. */
    @Test void aLevelThatIsLeftOutIsNamedAndTheHeadingRaised(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick(Search.all(document(), "Who we are", true).stream().filter(one -> document().paragraph(one.start()).text().equals("Who we are"))
                .findFirst().orElseThrow());
        assertThat(robot.lookup("#skip-0").queryAll()).isEmpty();
        need(robot, "command.heading.lower");
        assertThat(window.desk().pages().get().outline().skips()).hasSize(1);
        until(() -> !robot.lookup("#skip-0").queryAll().isEmpty());
        robot.interact(() -> robot.lookup("#skip-0").queryButton().fire());
        settle();
        assertThat(window.desk().pages().get().outline().skips()).isEmpty();
        assertThat(titles()).contains("1.1 Who we are");
        until(() -> robot.lookup("#skip-0").queryAll().isEmpty());
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    /** Lines become a table, its cells are dressed, and it becomes lines again. */
    @Test void linesBecomeATableAndItsCellsAreDressed(FxRobot robot) throws TimeoutException {
        Document before = document();
        TextSelection first = Search.all(document(), "Each passenger may bring", true).get(0);
        Place end = first.start().at(document().paragraph(first.start()).length());
        pick(new TextSelection(first.start().at(0), end));
        need(robot, "command.table.make");
        Table table = (Table) document().find(first.story(), first.start().path());
        assertThat(table.rows()).hasSize(1);
        robot.interact(() -> robot.lookup("#table-more").<ToggleButton>query().fire());
        until(() -> !robot.lookup("#table-stands").queryAll().isEmpty());
        robot.interact(() -> robot.lookup("#table-stands").<ComboBox<TableProperty.VerticalAlignment>>query().setValue(TableProperty.VerticalAlignment.BOTTOM));
        settle();
        table = (Table) document().find(first.story(), first.start().path());
        assertThat(table.rows().get(0).cells().get(0).look().get(TableProperty.VERTICAL_ALIGNMENT)).isEqualTo(TableProperty.VerticalAlignment.BOTTOM);
        need(robot, "command.table.text");
        assertThat(document().paragraph(first.start()).text()).startsWith("Each passenger may bring");
        for (int i = 0; i < 3; i++) push(robot, KeyCode.CONTROL, KeyCode.Z);
        assertThat(document()).isEqualTo(before);
    }

    @Test void lettersAreRaisedAndAPageBeginsWhereItIsWished(FxRobot robot) throws TimeoutException {
        TextSelection word = Search.all(document(), "Each passenger", true).get(0);
        pick(word);
        need(robot, "command.superscript");
        assertThat(document().paragraph(word.start()).lookBefore(2).get(TextProperty.SCRIPT)).isEqualTo(TextProperty.Script.SUPER);
        need(robot, "command.superscript");
        assertThat(document().paragraph(word.start()).lookBefore(2).get(TextProperty.SCRIPT)).isEqualTo(TextProperty.Script.BASELINE);
        int pages = window.desk().pages().get().count();
        int page = window.desk().pages().get().caret(word.end()).page();
        pick(TextSelection.caret(word.start()));
        need(robot, "command.page.break");
        assertThat(window.desk().pages().get().caret(Search.all(document(), "Each passenger", true).get(0).end()).page()).isEqualTo(page + 1);
        assertThat(window.desk().pages().get().count()).isGreaterThanOrEqualTo(pages);
    }

    private void need(FxRobot robot, String key) throws TimeoutException {
        push(robot, KeyCode.CONTROL, KeyCode.K);
        // All but the last letter at once: what is found is what typing finds.
        String words = Words.of(key);
        robot.interact(() -> robot.lookup("#need-field").<TextField>query().setText(words.substring(0, words.length() - 1)));
        robot.push(KeyCode.END).write(words.substring(words.length() - 1));
        push(robot, KeyCode.ENTER);
    }

    private List<String> titles() { return window.desk().pages().get().outline().headings().stream().map(Outline.Heading::title).toList(); }

    @Test void listsAreMadeSetDeeperAndEndedByKeys(FxRobot robot) throws TimeoutException {
        pick("Each passenger may bring");
        push(robot, KeyCode.HOME);
        robot.clickOn("#list-numbers");
        settle();
        Place head = window.desk().selection().get().head();
        assertThat(Lists.kind(document(), document().paragraph(head))).isEqualTo(Lists.Kind.NUMBERS);
        push(robot, KeyCode.TAB);
        assertThat(document().paragraph(head).look().get(ParagraphProperty.LIST).level()).isEqualTo(1);
        push(robot, KeyCode.SHIFT, KeyCode.TAB);
        push(robot, KeyCode.END);
        push(robot, KeyCode.CONTROL, KeyCode.END);
        push(robot, KeyCode.ENTER);
        robot.write("last");
        robot.clickOn("#list-bullets");
        settle();
        push(robot, KeyCode.ENTER);
        assertThat(Lists.kind(document(), document().paragraph(window.desk().selection().get().head()))).isEqualTo(Lists.Kind.BULLETS);
        push(robot, KeyCode.ENTER);
        assertThat(Lists.kind(document(), document().paragraph(window.desk().selection().get().head()))).as("an empty item ends the list").isNull();
    }

    @Test void whatIsCopiedElsewhereComesInWithItsLooksOrAsWords(FxRobot robot) throws TimeoutException {
        ClipboardContent page = new ClipboardContent();
        page.putString("Night fares\nPier\t2");
        page.putHtml("<h2>Night fares</h2><table><tr><th>Pier<td><b>2</b></table>");
        WaitForAsyncUtils.asyncFx(() -> Clipboard.getSystemClipboard().setContent(page));
        Place end = new Place(Search.all(document(), "Each passenger may bring", true).get(0).start().path(), 0);
        pick(TextSelection.caret(end));
        int blocks = document().blocks().size();
        push(robot, KeyCode.CONTROL, KeyCode.V);
        assertThat(document().blocks()).hasSize(blocks + 2);
        assertThat(window.desk().pages().get().outline().headings()).anyMatch(one -> one.text().equals("Night fares") && one.level() == 2);
        push(robot, KeyCode.CONTROL, KeyCode.Z);
        push(robot, KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.V);
        assertThat(window.desk().pages().get().outline().headings()).noneMatch(one -> one.text().equals("Night fares"));
        assertThat(count("Night fares")).isEqualTo(1);
    }

    @Test void whatIsCopiedHereCanBePutIntoOtherPrograms(FxRobot robot) throws TimeoutException {
        pick(Search.all(document(), "Each passenger may bring two pieces", true).get(0));
        push(robot, KeyCode.CONTROL, KeyCode.B);
        push(robot, KeyCode.CONTROL, KeyCode.C);
        String page = WaitForAsyncUtils.waitForAsyncFx(5000, () -> Clipboard.getSystemClipboard().getHtml());
        assertThat(Jsoup.parse(page).text()).contains("Each passenger may bring two pieces");
        assertThat(WaitForAsyncUtils.waitForAsyncFx(5000, () -> Clipboard.getSystemClipboard().getRtf())).startsWith("{\\rtf1").contains("Each passenger");
        assertThat(WaitForAsyncUtils.waitForAsyncFx(5000, () -> Clipboard.getSystemClipboard().getString())).isEqualTo("Each passenger may bring two pieces");
    }

    @Test void whatAFormatCantHoldIsSaidBeforeItIsSaved(FxRobot robot) throws TimeoutException {
        pick("Who we are");
        robot.write("Now: ");
        settle();
        for (String ending : List.of("odt", "rtf", "doc")) {
            Path copy = handbook.resolveSibling("copy." + ending);
            WaitForAsyncUtils.asyncFx(() -> window.saveTo(copy));
            until(() -> Files.exists(copy) && window.desk().job().get() == null);
            assertThat(TextWriter.write(Decant.open(copy).document())).as(ending).contains("Now: Who we are");
        }
        Path page = handbook.resolveSibling("copy.md");
        WaitForAsyncUtils.asyncFx(() -> window.saveTo(page));
        String asked = Words.of("save.anyway");
        until(() -> robot.lookup(".button").queryAll().stream().anyMatch(node -> node instanceof Button button && button.getText().equals(asked)));
        assertThat(page).as("nothing is written before the answer").doesNotExist();
        robot.clickOn((Button) robot.lookup(".button").match(node -> node instanceof Button button && button.getText().equals(asked)).query());
        until(() -> Files.exists(page));
        List<Block> blocks = Decant.open(page).document().blocks();
        assertThat(blocks).hasSizeGreaterThan(20);
    }

    /** A document is begun, written in, and is a file like any other; one from a template says what that says, and has another name where its own is taken. */
    @Test void documentsAreBegunHere(FxRobot robot) throws TimeoutException {
        Path file = handbook.resolveSibling("minutes.docx");
        WaitForAsyncUtils.asyncFx(() -> window.beginning().emptyAt(file));
        until(() -> window.desk().source().get() != null && window.desk().source().get().file().equals(file) && window.station() == Station.REVISE);
        settle();
        robot.write("Minutes of the harbour board");
        settle();
        assertThat(TextWriter.write(document())).contains("Minutes of the harbour board");
        assertThat(document().styles().styles()).containsKeys("Heading1", "Heading2");
        WaitForAsyncUtils.waitForAsyncFx(30_000, () -> window.desk().discard());
        WaitForAsyncUtils.asyncFx(() -> window.beginning().from(handbook, file));
        Path second = handbook.resolveSibling("minutes 2.docx");
        until(() -> window.desk().source().get().file().equals(second));
        settle();
        assertThat(TextWriter.write(Decant.open(file).document())).as("the first is as it was").isBlank();
        assertThat(Decant.open(second).document().facts().author()).as("it is nobody's yet").isNull();
        assertThat(TextWriter.write(document())).contains("Who we are");
    }

    /** The edge between two columns is drawn to the right by the mouse, let go by Esc, moved by a command, and all are made even; all of it taken back. */
    @Test void columnsAreMadeWiderByTheMouseAndByCommands(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick("Fares in crowns");
        Tables.Area area = Tables.area(before, window.desk().selection().get());
        List<Double> widths = area.table().columns();
        PagedDocument pages = window.desk().pages().get();
        int page = pages.spot(window.desk().selection().get().head()).page();
        TablePlaces.Place place = TablePlaces.of(pages, page, area.story(), area.path());
        double[] cell = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().caretPoint(window.desk().selection().get().head()));
        double scale = window.table().scale();
        double edge = cell[0] + (place.edges()[1] - pages.caret(window.desk().selection().get().head()).x()) * scale;
        Point2D on = WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().localToScreen(edge, cell[1]));
        robot.moveTo(on);
        assertThat(WaitForAsyncUtils.waitForAsyncFx(5000, () -> window.table().getCursor())).isEqualTo(Cursor.H_RESIZE);
        robot.press(MouseButton.PRIMARY).moveBy(20, 0).push(KeyCode.ESCAPE).release(MouseButton.PRIMARY);
        settle();
        assertThat(document()).isSameAs(before);
        robot.moveTo(on).press(MouseButton.PRIMARY).moveBy(15, 0).moveBy(15, 0).release(MouseButton.PRIMARY);
        settle();
        List<Double> wider = Tables.area(document(), window.desk().selection().get()).table().columns();
        assertThat(wider.get(0)).isCloseTo(widths.get(0) + 30 / scale, within(1.5));
        assertThat(wider.get(0) + wider.get(1)).isCloseTo(widths.get(0) + widths.get(1), within(0.1));
        need(robot, "command.table.narrower");
        assertThat(Tables.area(document(), window.desk().selection().get()).table().columns().get(0)).isLessThan(wider.get(0));
        robot.interact(() -> robot.lookup("#table-even").queryButton().fire());
        settle();
        assertThat(ColumnWidths.areEven(Tables.area(document(), window.desk().selection().get()).table())).isTrue();
        while (window.desk().canUndo()) {
            WaitForAsyncUtils.asyncFx(() -> window.desk().undo());
            settle();
        }
        assertThat(document()).isEqualTo(before);
    }

    /** The rounds at the page's edge are drawn along: the paragraph goes in by as much, by half millimetres; Esc lets go. */
    @Test void indentsAreDrawnAtThePagesEdge(FxRobot robot) throws TimeoutException {
        Document before = document();
        pick("The company belongs");
        Place at = window.desk().selection().get().head();
        until(() -> robot.lookup("#indent-start").tryQuery().filter(Node::isVisible).isPresent());
        robot.moveTo("#indent-start").press(MouseButton.PRIMARY).moveBy(30, 0).push(KeyCode.ESCAPE).release(MouseButton.PRIMARY);
        settle();
        assertThat(document()).isSameAs(before);
        double scale = window.table().scale();
        robot.moveTo("#indent-start").press(MouseButton.PRIMARY).moveBy(20, 0).moveBy(20, 0).release(MouseButton.PRIMARY);
        settle();
        double start = document().paragraph(at).look().get(ParagraphProperty.INDENT_START);
        assertThat(start).isCloseTo(40 / scale, within(1.5));
        assertThat(start / 72 * 50.8).isCloseTo(Math.rint(start / 72 * 50.8), within(1e-6));
        robot.moveTo("#indent-first").press(MouseButton.PRIMARY).moveBy(-10, 0).moveBy(-10, 0).release(MouseButton.PRIMARY);
        settle();
        assertThat(document().paragraph(at).look().get(ParagraphProperty.FIRST_LINE)).isCloseTo(-20 / scale, within(1.5));
        robot.moveTo("#indent-end").press(MouseButton.PRIMARY).moveBy(-30, 0).moveBy(-30, 0).release(MouseButton.PRIMARY);
        settle();
        assertThat(document().paragraph(at).look().get(ParagraphProperty.INDENT_END)).isCloseTo(60 / scale, within(1.5));
        while (window.desk().canUndo()) {
            WaitForAsyncUtils.asyncFx(() -> window.desk().undo());
            settle();
        }
        assertThat(document()).isEqualTo(before);
    }
}
