package app.decant.desktop;

import app.decant.desktop.check.CheckStation;
import app.decant.desktop.command.CommandList;
import app.decant.desktop.folders.FoldersRoom;
import app.decant.desktop.part.Words;
import app.decant.desktop.publish.PublishStation;
import app.decant.desktop.revise.FindBar;
import app.decant.desktop.revise.Slip;
import app.decant.desktop.station.Notices;
import app.decant.desktop.station.Station;
import app.decant.desktop.station.Window;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.takein.FaithSlip;
import app.decant.desktop.takein.PagesAhead;
import app.decant.desktop.takein.SideBySide;
import app.decant.desktop.takein.TakeInStation;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Session;
import app.decant.desktop.work.Settings;
import app.decant.document.Outline;
import app.decant.document.Place;
import app.decant.edit.TextSelection;
import app.decant.format.Format;
import app.decant.format.Formats;
import app.decant.format.sheet.SeparatedValues;
import app.decant.picture.PictureFile;
import app.decant.proof.Difference;
import app.decant.publish.Recipe;
import java.io.File;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import javafx.animation.PauseTransition;
import javafx.application.HostServices;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.Font;
import javafx.stage.FileChooser;
import javafx.stage.Stage;
import javafx.util.Duration;

/** The window: the line above, the spine at the left, the station in the middle, the slip at the right, the ledger below. */
final class MainWindow implements Window {
    private final Stage stage;
    private final Settings settings;
    private final Desk desk;
    private final StackPane root = new StackPane();
    private final BorderPane frame = new BorderPane();
    private final Notices notices;
    private final LineBar line;
    private final Spine spine;
    private final PageTable table;
    private final Slip slip;
    private final SheetRoom sheets;
    private final FindBar find;
    private final CommandList commands;
    private final Palette palette;
    private final PublishStation publish;
    private final TakeInStation takeIn;
    private final CheckStation check;
    private final SideBySide beside;
    private final PagesAhead ahead;
    private final FaithSlip faith;
    private final FoldersRoom folders;
    private final Ledger ledger;
    private final Windows windows;
    private final Saving saving;
    private final Beginning beginning;
    private boolean another;
    private boolean closed;
    private Station station = Station.TAKE_IN;

    /** The first window. */
    MainWindow(Stage stage, Settings settings) { this(stage, new Windows(settings)); }

    MainWindow(Stage stage, Windows windows) {
        this.stage = stage;
        this.windows = windows;
        settings = windows.settings();
        for (String face : List.of("Regular", "SemiBold", "Italic"))
            Font.loadFont(MainWindow.class.getResourceAsStream("fonts/SourceSans3-" + face + ".ttf"), 14);
        desk = new Desk(settings);
        table = new PageTable(desk);
        line = new LineBar(this);
        notices = new Notices(this, desk);
        saving = new Saving(this);
        beginning = new Beginning(this);
        spine = new Spine(this);
        slip = new Slip(this);
        sheets = new SheetRoom(desk, settings);
        find = new FindBar(desk, table);
        palette = new Palette(this);
        takeIn = new TakeInStation(this);
        check = new CheckStation(this);
        faith = new FaithSlip(this);
        beside = new SideBySide(this);
        ahead = new PagesAhead(desk);
        publish = new PublishStation(this);
        folders = new FoldersRoom(this);
        commands = WindowCommands.of(this);
        table.keys().use(commands);
        root.getStyleClass().add("window");
        root.setId("window");
        frame.setTop(line.node());
        ledger = new Ledger(desk, table);
        ledger.sheets(sheets);
        frame.setBottom(ledger.node());
        root.getChildren().addAll(frame, notices.node());
        root.getStylesheets().add(Objects.requireNonNull(MainWindow.class.getResource("decant.css")).toExternalForm());
        dark(settings.flag("dark"));
        wire();
        desk.asking(this::askBefore);
        go(Station.TAKE_IN);
    }

    void show() {
        Scene scene = new Scene(root);
        commands.install(scene);
        stage.setScene(scene);
        stage.setTitle("Decant");
        WindowPlace.take(stage, settings);
        stage.setOnCloseRequest(event -> {
            if (desk.changed().get()) {
                event.consume();
                askBeforeClosing();
            }
        });
        stage.show();
        windows.opened(this);
        stage.setOnHidden(event -> close());
        PauseTransition rest = new PauseTransition(Duration.millis(300));
        rest.setOnFinished(event -> desk.getReady());
        rest.play();
    }

    /** Does what showing does, out of sight, so that the archive of loaded classes made on exit holds what a start needs. */
    void warm() {
        Scene scene = new Scene(root, 1280, 800);
        commands.install(scene);
        scene.snapshot(null);
        desk.getReady();
    }

    @Override public Desk desk() { return desk; }
    @Override public Recipe recipe() { return publish.recipe(); }

    Slip slip() { return slip; }

    /** The slip beside what is revised; null where none is to be seen. */
    Node slipInView() { return station() != Station.REVISE || desk.document() == null ? null : sheets.isShown() ? sheets.slip() : slip.node(); }
    @Override public PageTable table() { return table; }
    @Override public Stage stage() { return stage; }
    @Override public Settings settings() { return settings; }
    FindBar find() { return find; }
    SheetRoom sheets() { return sheets; }
    PublishStation publishStation() { return publish; }
    @Override public Station station() { return station; }
    @Override public CommandList commands() { return commands; }

    Palette palette() { return palette; }
    Spine spine() { return spine; }

    /** @param differences between both; null where they can't be told */
    private void tellInside(Session.Source pdf, List<Difference> differences) {
        String name = pdf.inside().name();
        String words = differences == null ? Words.of("inside.found", name)
                : Words.of("inside.compared", name, differences.size(), differences.isEmpty() ? "" : differences.get(0).sentence());
        notices.say(words, "notice-work", Notices.action("inside.take", () -> askBefore(desk::openInside)), Notices.action("notice.leave", () -> { }));
    }

    private void wire() {
        desk.source().addListener((observed, before, now) -> {
            notices.clear();
            if (now != null && now.inside() != null) {
                desk.compareInside(differences -> {
                    if (desk.source().get() == now) tellInside(now, differences);
                });
            }
            if (now != null) beginning.offer();
            if (now != null && windows.hasElsewhere(this, now.file())) notices.say(Words.of("window.twice", now.name()), "notice-work");
            stage.setTitle(now == null ? "Decant" : now.name() + " \u2013 Decant");
            another = false;
            find.hide();
            if (now != null) go(now.isPdf() ? Station.TAKE_IN : Station.REVISE);
        });
        // What is open may be sheets no more, since its tables were changed, or be so again.
        sheets.shown().addListener((observed, before, now) -> {
            if (station == Station.REVISE && desk.source().get() != null) go(Station.REVISE);
        });
        desk.coming().addListener((observed, before, now) -> {
            if (now != null || desk.source().get() == null) go(Station.TAKE_IN);
        });
        desk.ahead().addListener((observed, before, now) -> {
            if (station == Station.TAKE_IN && desk.source().get() == null) go(Station.TAKE_IN);
        });
        desk.job().addListener((observed, before, now) -> notices.update());
        desk.trouble().addListener((observed, before, now) -> notices.update());
        root.setOnDragOver(event -> {
            if (event.getDragboard().hasFiles()) event.acceptTransferModes(TransferMode.COPY);
            event.consume();
        });
        root.setOnDragDropped(event -> {
            List<File> files = event.getDragboard().getFiles();
            if (!files.isEmpty()) dropped(files.get(0).toPath(), event);
            event.setDropCompleted(!files.isEmpty());
            event.consume();
        });
    }

    /** A picture goes into the text where it is dropped on the table; all else is taken in. */
    private void dropped(Path file, DragEvent event) {
        boolean onTable = station == Station.REVISE && table.getScene() != null && table.contains(table.sceneToLocal(event.getSceneX(), event.getSceneY()));
        if (!onTable || !PictureFile.isNamed(file.getFileName().toString())) {
            take(file);
            return;
        }
        Point2D at = table.sceneToLocal(event.getSceneX(), event.getSceneY());
        desk.whenLaidOut(() -> {
            table.pickAt(at.getX(), at.getY());
            slip.pictures().insert(file);
        });
    }

    /** Goes to a station; those that need a document stay shut without one. */
    @Override public void go(Station wanted) {
        ledger.room(false);
        station = desk.source().get() == null ? Station.TAKE_IN : wanted;
        // The text alone is only compared with the file; work is done on what will be published.
        if (station != Station.TAKE_IN) desk.session().showAsText(false);
        switch (station) {
            case TAKE_IN -> {
                if (isBeside()) arrange(spine.node(), beside.node(), faith.node());
                else if (desk.ahead().get() != null) arrange(null, ahead.node(), null);
                else arrange(null, takeIn.node(), null);
            }
            case REVISE -> {
                if (sheets.isShown()) arrange(sheets.strip(), sheets.table(), sheets.slip());
                else arrange(spine.node(), new VBox(find.node(), grow(table)), slip.node());
            }
            case CHECK -> arrange(spine.node(), grow(table), check.node());
            case PUBLISH -> arrange(publish.pagesNode(), publish.node(), null);
        }
        if (station == Station.PUBLISH) publish.arrive();
        line.at(station);
        if (station == Station.REVISE) (sheets.isShown() ? sheets.table() : table).requestFocus();
    }

    /** Takes what was dropped: a document here, a folder in its room. */
    private void take(Path dropped) {
        if (!Files.isDirectory(dropped)) {
            open(dropped);
            return;
        }
        goToFolders();
        if (!folders.isRunning()) folders.sentence().from(dropped);
    }

    /** Shows the room for whole folders, which needs no document. */
    void goToFolders() {
        ledger.room(true);
        arrange(null, folders.node(), null);
        line.at(null);
    }

    /** Shows what wants a look in a document as soon as it is in. */
    @Override public void checkWhenIn() {
        desk.whenOpened(() -> go(Station.CHECK));
    }

    FoldersRoom folders() { return folders; }

    /** Whether there is a PDF to be seen beside what came of it. */
    private boolean isBeside() { return desk.coming().get() != null || !another && desk.source().get() != null && desk.source().get().isPdf(); }

    /** Shows the place where another document can be taken in. */
    @Override public void takeAnother() {
        another = true;
        go(Station.TAKE_IN);
    }

    private static Node grow(Node node) {
        VBox.setVgrow(node, Priority.ALWAYS);
        return node;
    }

    private void arrange(Node left, Node middle, Node right) {
        frame.setLeft(left);
        frame.setCenter(middle);
        frame.setRight(right);
    }

    /** To the next place that wants a look. */
    void nextPlace() {
        if (station == Station.TAKE_IN && isBeside()) faith.next();
        else check.next();
    }

    /** Publishes with the sentence as it stands. */
    void publishNow() {
        if (desk.source().get() == null) return;
        if (station != Station.PUBLISH) go(Station.PUBLISH);
        publish.publish();
    }

    /** To the next or the one before of the headings. */
    void heading(int step) {
        if (desk.pages().get() == null || desk.selection().get() == null) return;
        List<Outline.Heading> headings = desk.pages().get().outline().headings();
        Place here = new Place(desk.selection().get().head().inBody().path(), 0);
        Outline.Heading target = null;
        for (Outline.Heading heading : headings) {
            int order = heading.path().compareTo(here.path());
            if (step > 0 && order > 0) {
                target = heading;
                break;
            }
            if (step < 0 && order < 0) target = heading;
        }
        if (target != null) table.pick(TextSelection.caret(new Place(target.path(), 0)), true);
    }

    @Override public void chooseFile() {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of("open.title"));
        List<String> known = Formats.all().stream().filter(Format::reads).filter(format -> format.group() != Format.Group.OTHER)
                .flatMap(format -> format.endings().stream().sorted()).map(ending -> "*." + ending).toList();
        chooser.getExtensionFilters().addAll(new FileChooser.ExtensionFilter(Words.of("open.documents"), known),
                new FileChooser.ExtensionFilter(Words.of("open.all"), "*.*"));
        File folder = new File(settings.text("openFolder", System.getProperty("user.home")));
        if (folder.isDirectory()) chooser.setInitialDirectory(folder);
        File file = chooser.showOpenDialog(stage);
        if (file != null) open(file.toPath());
    }

    /** Takes a file in, asking first where unsaved work would be lost. */
    @Override public void open(Path file) { askBefore(file); }

    /** Takes the text that is open in once more, its letters written in another way. */
    void readAs(Charset letters) { if (desk.source().get() != null) askBefore(() -> desk.openText(desk.source().get().file(), letters)); }

    /** Takes the values that are open in once more, parted otherwise. */
    @Override public void readAs(SeparatedValues wished) {
        if (desk.source().get() != null) askBefore(() -> desk.openSeparated(desk.source().get().file(), wished));
    }

    private void askBefore(Runnable opening) {
        if (!desk.changed().get()) {
            opening.run();
            return;
        }
        notices.say(Words.of("unsaved.open", desk.source().get().name()), "notice-asks",
                Notices.action("unsaved.save", this::save), Notices.action("unsaved.drop", () -> {
                    desk.discard();
                    opening.run();
                }), Notices.action("unsaved.stay", () -> { }));
    }

    private void askBefore(Path file) {
        if (!desk.changed().get()) {
            desk.open(file, null);
            return;
        }
        notices.say(Words.of("unsaved.open", desk.source().get().name()), "notice-asks", Notices.action("window.own", () -> openBeside(file)),
                Notices.action("unsaved.save", this::save), Notices.action("unsaved.drop", () -> {
                    desk.discard();
                    desk.open(file, null);
                }), Notices.action("unsaved.stay", () -> { }));
    }

    private void askBeforeClosing() {
        notices.say(Words.of("unsaved.close", desk.source().get().name()), "notice-asks", Notices.action("unsaved.save", this::save),
                Notices.action("unsaved.drop.close", () -> {
            desk.discard();
            stage.close();
        }), Notices.action("unsaved.stay", () -> { }));
    }

    /** Saves under a new name; the original stays as it is. */
    void save() { saving.save(); }

    Beginning beginning() { return beginning; }

    void saveTo(Path file) { saving.to(file); }

    /** Light or dark. */
    void dark(boolean wanted) {
        root.getStyleClass().remove("dark");
        if (wanted) root.getStyleClass().add("dark");
        settings.set("dark", wanted);
        settings.save();
        spine.paintSoon();
    }

    @Override public boolean isDark() { return root.getStyleClass().contains("dark"); }

    @Override public Notices notices() { return notices; }

    /** Opens a file or folder with the program that this machine has for it; nothing happens where there is none. */
    @Override public void openOutside(Path file) { if (windows.outside() != null) windows.outside().showDocument(file.toUri().toString()); }

    @Override public void openAddress(String address) { if (windows.outside() != null) windows.outside().showDocument(address); }


    void outside(HostServices services) { windows.outside(services); }

    /** Opens another window; the document here stays as it is. */
    MainWindow anotherWindow() { return windows.another(this); }

    /** Takes a file in in a window of its own. */
    void openBeside(Path file) { anotherWindow().desk().open(file, null); }

    void overlay(Node node) { if (!root.getChildren().contains(node)) root.getChildren().add(node); }

    void removeOverlay(Node node) { root.getChildren().remove(node); }

    void close() {
        if (closed) return;
        closed = true;
        windows.closed(this);
        WindowPlace.remember(stage, settings);
        settings.save();
        beside.close();
        ahead.close();
        table.close();
        sheets.close();
        folders.close();
        desk.close();
    }
}
