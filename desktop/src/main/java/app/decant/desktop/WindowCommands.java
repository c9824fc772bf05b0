package app.decant.desktop;

import app.decant.NewDocument;
import app.decant.desktop.command.Command.Reach;
import app.decant.desktop.command.Command;
import app.decant.desktop.command.CommandList;
import app.decant.desktop.part.Words;
import app.decant.desktop.publish.ContentCards;
import app.decant.desktop.revise.PickedLook;
import app.decant.desktop.revise.ReviewCard;
import app.decant.desktop.revise.TableTask;
import app.decant.desktop.station.Station;
import app.decant.desktop.table.TableKeys;
import app.decant.desktop.work.Aids;
import app.decant.desktop.work.Desk;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.edit.Change;
import app.decant.edit.ContentsLists;
import app.decant.edit.Fields;
import app.decant.edit.Frames;
import app.decant.edit.Headings;
import app.decant.edit.Links;
import app.decant.edit.Lists;
import app.decant.edit.Notes;
import app.decant.edit.Overlaps;
import app.decant.edit.PageBreaks;
import app.decant.edit.Pictures;
import app.decant.edit.Sections;
import app.decant.edit.Styles;
import app.decant.edit.Selection;
import app.decant.edit.SignatureLine;
import app.decant.edit.TableEcho;
import app.decant.edit.TableText;
import app.decant.edit.Tables;
import app.decant.edit.TextBoxes;
import app.decant.edit.TextSelection;
import app.decant.edit.TypingAids;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.BiFunction;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination.Modifier;
import javafx.scene.input.KeyCombination;

/** What can be done in the window: its list of commands, filled. */
final class WindowCommands {
    private static final BooleanSupplier ALWAYS = () -> true;
    /** What can be done with cells, by the names of its buttons. */
    private static final List<String> SHEET_ACTS = List.of("sheet-break-row", "sheet-break-column", "sheet-hide-rows", "sheet-show-rows", "sheet-hide-columns",
            "sheet-show-columns", "sheet-only", "sheet-whole", "sheet-one-wide");

    private final CommandList all = new CommandList();
    private final BooleanSupplier open;

    private WindowCommands(MainWindow window) {
        Desk desk = window.desk();
        open = () -> desk.document() != null;
        add("open", ALWAYS, window::chooseFile, control(KeyCode.O));
        add("begin", ALWAYS, () -> window.beginning().empty(), control(KeyCode.N, KeyCombination.SHIFT_DOWN));
        add("begin.from", ALWAYS, () -> window.beginning().fromTemplate());
        add("begin.scan", () -> open.getAsBoolean() && NewDocument.isOfScans(desk.document()), () -> window.beginning().fromScan());
        add("window.new", ALWAYS, window::anotherWindow, control(KeyCode.N));
        add("save", open, window::save, control(KeyCode.S));
        add("publish", open, window::publishNow, control(KeyCode.ENTER));
        add("find", open, () -> find(window, false), control(KeyCode.F));
        add("replace", open, () -> find(window, true), control(KeyCode.H));
        add("need", ALWAYS, () -> window.palette().show(), control(KeyCode.K));
        go(window, "take.in", Station.TAKE_IN, KeyCode.DIGIT1, ALWAYS);
        go(window, "revise", Station.REVISE, KeyCode.DIGIT2, open);
        go(window, "check", Station.CHECK, KeyCode.DIGIT3, open);
        go(window, "sentence", Station.PUBLISH, KeyCode.DIGIT4, open);
        add("folders", ALWAYS, window::goToFolders, control(KeyCode.DIGIT5));
        add("next.place", open, window::nextPlace, new KeyCodeCombination(KeyCode.F8));
        add("next.heading", open, () -> window.heading(1), new KeyCodeCombination(KeyCode.DOWN, KeyCombination.ALT_DOWN));
        add("previous.heading", open, () -> window.heading(-1), new KeyCodeCombination(KeyCode.UP, KeyCombination.ALT_DOWN));
        add("sheet.tables", () -> window.sheets().isShown() && window.sheets().hasTables(), () -> window.sheets().asTables(true));
        add("sheet.sheets", () -> window.sheets().hasTables() && !window.sheets().isShown(), () -> window.sheets().asTables(false));
        for (String act : SHEET_ACTS)
            add(act.replace('-', '.'), () -> window.station() == Station.REVISE && window.sheets().offers(act), () -> window.sheets().act(act));
        add("larger", open, () -> zoom(window, 1.1), control(KeyCode.PLUS), control(KeyCode.EQUALS));
        add("smaller", open, () -> zoom(window, 1 / 1.1), control(KeyCode.MINUS));
        add("usual", open, () -> window.table().zoom(1.1), control(KeyCode.DIGIT0));
        add("dark", ALWAYS, () -> window.dark(!window.isDark()));
        text(window, desk);
        for (String letters : ContentCards.LETTERS)
            all.add(new Command("read.as " + letters, Words.of("command.read.as", Words.of("letters." + letters)), Reach.WINDOW, List.of(), open,
                    () -> window.readAs(Charset.forName(letters))));
    }

    private static void find(MainWindow window, boolean replacing) {
        window.go(Station.REVISE);
        if (window.sheets().isShown()) window.sheets().find(replacing);
        else window.find().show(replacing);
    }

    private static void zoom(MainWindow window, double factor) {
        if (window.sheets().isShown() && window.station() == Station.REVISE) window.sheets().table().zoomBy(factor);
        else window.table().zoomBy(factor);
    }

    static CommandList of(MainWindow window) { return new WindowCommands(window).all; }

    /** What is done to the text on the table; one thing after another, as it was asked for. */
    private void text(MainWindow window, Desk desk) {
        TableKeys table = window.table().keys();
        BooleanSupplier seen = seen(window);
        BooleanSupplier picked = () -> seen.getAsBoolean() && desk.selection().get() != null;
        BooleanSupplier some = () -> picked.getAsBoolean() && !desk.selection().get().isEmpty();
        BooleanSupplier worked = () -> seen.getAsBoolean() || window.station() == Station.REVISE && window.sheets().isShown();
        onTable("undo", () -> worked.getAsBoolean() && desk.canUndo(), desk, desk::undo, control(KeyCode.Z));
        onTable("redo", () -> worked.getAsBoolean() && desk.canRedo(), desk, desk::redo, control(KeyCode.Z, KeyCombination.SHIFT_DOWN), control(KeyCode.Y));
        onTable("cut", some, desk, table::cut, control(KeyCode.X));
        onTable("copy", some, desk, table::copy, control(KeyCode.C));
        onTable("paste", picked, desk, table::paste, control(KeyCode.V));
        onTable("paste.text", picked, desk, table::pasteText, control(KeyCode.V, KeyCombination.SHIFT_DOWN));
        onTable("all", picked, desk, table::all, control(KeyCode.A));
        onTable("bold", picked, desk, () -> PickedLook.toggle(desk, TextProperty.BOLD), control(KeyCode.B));
        onTable("italic", picked, desk, () -> PickedLook.toggle(desk, TextProperty.ITALIC), control(KeyCode.I));
        onTable("underline", picked, desk, () -> PickedLook.underline(desk), control(KeyCode.U));
        onTable("strike", picked, desk, () -> PickedLook.toggle(desk, TextProperty.STRIKE));
        onTable("superscript", picked, desk, () -> PickedLook.script(desk, TextProperty.Script.SUPER));
        onTable("subscript", picked, desk, () -> PickedLook.script(desk, TextProperty.Script.SUB));
        onTable("small.capitals", picked, desk, () -> PickedLook.toggle(desk, TextProperty.SMALL_CAPITALS));
        BooleanSupplier inBody = () -> picked.getAsBoolean() && desk.selection().get().story() instanceof Story.Body;
        edits("page.break", inBody, desk, PageBreaks::put);
        edits("list.bullets", picked, desk, (document, span) -> Lists.toggle(document, span, Lists.Kind.BULLETS));
        edits("list.numbers", picked, desk, (document, span) -> Lists.toggle(document, span, Lists.Kind.NUMBERS));
        BooleanSupplier item = () -> picked.getAsBoolean() && Lists.kind(desk.document(), desk.document().paragraph(desk.selection().get().head())) != null;
        edits("list.deeper", item, desk, (document, span) -> Lists.deeper(document, span, 1));
        edits("list.shallower", item, desk, (document, span) -> Lists.deeper(document, span, -1));
        edits("list.restart", item, desk, Lists::restart);
        headings(picked, desk);
        for (TableTask task : TableTask.values()) onTable(task.key(), () -> picked.getAsBoolean() && task.applies(desk), desk, () -> task.run(desk));
        stories(window, picked, desk);
        onTable("word.next", () -> picked.getAsBoolean() && !desk.words().slips().get().isEmpty(), desk,
                () -> window.table().pick(desk.words().next(desk.selection().get().end()), true),
                new KeyCodeCombination(KeyCode.F8, KeyCombination.SHIFT_DOWN));
        onTable("word.learn", () -> picked.getAsBoolean() && desk.words().at(desk.selection().get().start()) != null, desk,
                () -> desk.words().learn(desk.words().at(desk.selection().get().start()).word()));
        onTable("changes", seen(window), desk, () -> window.slip().changes().begin());
        ReviewCard review = window.slip().review();
        onTable("review", () -> picked.getAsBoolean() && review.hasPassages(), desk, review::begin);
        onTable("review.next", () -> picked.getAsBoolean() && review.hasPassages(), desk, review::next, control(KeyCode.F8));
        onTable("review.accept", () -> picked.getAsBoolean() && review.hasChangeHere(), desk, () -> review.settle(true));
        onTable("review.reject", () -> picked.getAsBoolean() && review.hasChangeHere(), desk, () -> review.settle(false));
        onTable("form.field", window.table()::hasFields, desk, window.table()::fillIn);
        onTable("form.tick", () -> picked.getAsBoolean() && window.slip().forms().isTick(), desk, () -> window.slip().forms().tick());
        onTable("remark", () -> picked.getAsBoolean() && !desk.selection().get().isEmpty(), desk, review::ask);
        onTable("link", () -> picked.getAsBoolean() && window.slip().links().applies(), desk, () -> window.slip().links().ask());
        onTable("link.follow", () -> picked.getAsBoolean() && Links.at(desk.document(), desk.selection().get()) != null, desk,
                () -> window.slip().links().follow());
        edits("link.out", () -> picked.getAsBoolean() && Links.at(desk.document(), desk.selection().get()) != null, desk,
                (document, span) -> Links.put(document, span, null));
        edits("contents.in", () -> picked.getAsBoolean() && ContentsLists.canInsert(desk.selection().get()), desk, ContentsLists::insert);
        onTable("contents.refresh", () -> picked.getAsBoolean() && ContentsLists.hasAny(desk.document()), desk, () -> {
            Change change = ContentsLists.refresh(desk.document(), desk.selection().get());
            if (change == null) window.notices().say(Words.of("contents.true"), "notice-work");
            else desk.apply(change);
        });
        edits("section.begin", () -> picked.getAsBoolean() && Sections.canBegin(desk.selection().get()), desk,
                (document, span) -> Sections.begin(document, span, Section.Start.NEXT_PAGE));
        for (TypingAids.Aid aid : TypingAids.Aid.values())
            add("aid." + aid.name().toLowerCase(Locale.ROOT), ALWAYS, () -> turn(window, aid));
        onTable("style.follow", () -> picked.getAsBoolean() && Styles.at(desk.document(), desk.selection().get()) != null, desk,
                () -> window.slip().styles().follow());
        for (boolean parts : new boolean[] {true, false})
            edits(parts ? "words.part" : "words.whole", () -> picked.getAsBoolean() && !desk.hasOwnPages()
                    && Styles.partsWords(desk.document()) != parts, desk,
                    (document, span) -> Styles.partWords(document, span, parts));
        onTable("style.tidy", picked, desk, () -> window.slip().styles().tidy());
        add("spine.fold", open, () -> window.spine().fold());
        add("words.watch", ALWAYS, () -> desk.words().turn(!desk.words().isOn()));
        onTable("echo", inBody, desk, () -> window.slip().echo(), control(KeyCode.E));
        onTable("echo.tables", () -> inBody.getAsBoolean() && TableEcho.of(desk.document(), desk.selection().get()) != null, desk,
                () -> window.slip().echoTables());
        onTable("echo.links", () -> inBody.getAsBoolean() && Links.at(desk.document(), desk.selection().get()) != null, desk,
                () -> window.slip().echoLinks());
        onTable("picture.in", picked, desk, () -> window.slip().pictures().chooseNew());
        onTable("picture.replace", () -> seen.getAsBoolean() && window.slip().pictures().isOn(), desk, () -> window.slip().pictures().chooseOther());
        onTable("picture.turn", () -> seen.getAsBoolean() && window.slip().pictures().turns(), desk, () -> window.slip().pictures().turn());
        for (boolean over : new boolean[] {true, false})
            edits(over ? "float.over" : "float.under", () -> picked.getAsBoolean() && Overlaps.apply(desk.document(), desk.selection().get()), desk,
                    (document, span) -> Overlaps.lay(document, span, over));
        onTable("table.make", () -> picked.getAsBoolean() && TableText.canMake(desk.document(), desk.selection().get()), desk,
                () -> PickedLook.makeTable(desk));
        onTable("table.in", () -> picked.getAsBoolean() && Tables.canInsert(desk.document(), desk.selection().get()), desk, () -> PickedLook.insertTable(desk));
    }

    /** What stands beside the text: headers, footers, notes; and what is worked out where it stands. */
    private void stories(MainWindow window, BooleanSupplier picked, Desk desk) {
        for (boolean header : new boolean[] {true, false}) {
            // Those of a page that is a PDF's own are on its ground.
            BooleanSupplier ours = () -> picked.getAsBoolean() && desk.isLaidOut() && window.table().pageInView().get() < desk.pages().get().count()
                    && desk.pages().get().page(window.table().pageInView().get()).ground() == null;
            onTable(header ? "header" : "footer", ours, desk, () -> frame(window, desk, header));
        }
        onTable("watermark", () -> picked.getAsBoolean() && !desk.hasOwnPages(), desk, () -> window.slip().pages().askWatermark());
        edits("frame.out", () -> picked.getAsBoolean() && desk.selection().get().story() instanceof Story.Frame, desk, Frames::remove);
        BooleanSupplier notes = () -> picked.getAsBoolean() && Notes.canInsert(desk.selection().get());
        for (Inline.Note.Kind kind : Inline.Note.Kind.values()) {
            onTable(kind == Inline.Note.Kind.FOOTNOTE ? "footnote" : "endnote", notes, desk, () -> {
                desk.apply(Notes.insert(desk.document(), desk.selection().get(), kind));
                window.table().pick(desk.selection().get(), true);
            });
        }
        onTable("box.in", () -> picked.getAsBoolean() && TextBoxes.canInsert(desk.selection().get()), desk, () -> {
            desk.apply(TextBoxes.insert(desk.document(), desk.selection().get()));
            window.table().pick(desk.selection().get(), true);
        });
        onTable("signature.in", () -> picked.getAsBoolean() && SignatureLine.canInsert(desk.document(), desk.selection().get()), desk, () -> {
            double width = Pictures.room(desk.document(), desk.selection().get().head());
            desk.apply(SignatureLine.insert(desk.document(), desk.selection().get(), width, Words.of("signature.date"), Words.of("signature.name")));
            window.table().pick(desk.selection().get(), true);
        });
        edits("box.out", () -> picked.getAsBoolean() && TextBoxes.at(desk.document(), desk.selection().get()) != null, desk, TextBoxes::remove);
        for (Inline.Field.Kind kind : Fields.OFFERED)
            edits("field." + kind.name().toLowerCase(Locale.ROOT), picked, desk, (document, span) -> Fields.insert(document, span, kind));
        BooleanSupplier aside = () -> picked.getAsBoolean() && (window.slip().isBusy() || !(desk.selection().get().story() instanceof Story.Body));
        onTable("to.text", aside, desk, () -> toText(window, desk), new KeyCodeCombination(KeyCode.ESCAPE));
    }

    /** Nobody changes text unseen: at other stations the table is not there. */
    private BooleanSupplier seen(MainWindow window) { return () -> open.getAsBoolean() && window.table().getScene() != null; }

    /** Switches a help while typing on or off, and says which. */
    private static void turn(MainWindow window, TypingAids.Aid aid) {
        Aids aids = window.desk().aids();
        aids.turn(aid, !aids.isOn(aid));
        String what = Words.of("command.aid." + aid.name().toLowerCase(Locale.ROOT));
        window.notices().say(Words.of(aids.isOn(aid) ? "aid.on" : "aid.off", what), "notice-work");
    }

    /** Leaves what is open beside the text; where nothing is, the header or note that one writes in. */
    private static void toText(MainWindow window, Desk desk) {
        if (window.slip().isBusy()) window.slip().leave();
        else window.table().pick(Selection.near(desk.document(), desk.selection().get().head().inBody()), true);
    }

    private static void frame(MainWindow window, Desk desk, boolean header) {
        Story.Frame frame = desk.pages().get().frame(window.table().pageInView().get(), header);
        Change change = Frames.open(desk.document(), desk.selection().get(), frame.section(), frame.place());
        desk.apply(change);
        window.table().pick((TextSelection) change.picked(), true);
    }

    private void headings(BooleanSupplier picked, Desk desk) {
        for (int by : new int[] {-1, 1})
            edits(by < 0 ? "heading.raise" : "heading.lower", () -> picked.getAsBoolean() && Headings.canShift(desk.document(), desk.selection().get(), by),
                    desk, (document, span) -> Headings.shift(document, span, by));
        BooleanSupplier atHeading = () -> picked.getAsBoolean() && Headings.isHeading(desk.document(), desk.selection().get());
        onTable("section.pick", atHeading, desk, () -> desk.pick(Headings.section(desk.document(), desk.selection().get().head().path())));
        for (boolean down : new boolean[] {false, true})
            edits(down ? "section.down" : "section.up", () -> picked.getAsBoolean() && Headings.canMove(desk.document(), desk.selection().get(), down), desk,
                    (document, span) -> Headings.move(document, span, down));
    }

    private static KeyCombination control(KeyCode code, Modifier... more) {
        List<Modifier> modifiers = new ArrayList<>(List.of(KeyCombination.SHORTCUT_DOWN));
        modifiers.addAll(Arrays.asList(more));
        return new KeyCodeCombination(code, modifiers.toArray(Modifier[]::new));
    }

    private void go(MainWindow window, String key, Station station, KeyCode code, BooleanSupplier when) {
        add(key, when, () -> window.go(station), control(code));
    }

    private void add(String key, BooleanSupplier when, Runnable task, KeyCombination... keys) {
        all.add(new Command(key, Words.of("command." + key), Reach.WINDOW, List.of(keys), when, task));
    }

    /** A command that edits what is picked. */
    private void edits(String key, BooleanSupplier when, Desk desk, BiFunction<Document, TextSelection, Change> edit) {
        onTable(key, when, desk, () -> desk.apply(edit.apply(desk.document(), desk.selection().get())));
    }

    private void onTable(String key, BooleanSupplier when, Desk desk, Runnable task, KeyCombination... keys) {
        // What was asked for before may move the caret to where it does not apply.
        all.add(new Command(key, Words.of("command." + key), Reach.TABLE, List.of(keys), when, () -> desk.inOrder(() -> {
            if (when.getAsBoolean()) task.run();
        })));
    }
}
