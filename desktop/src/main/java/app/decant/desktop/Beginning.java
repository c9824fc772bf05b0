package app.decant.desktop;

import app.decant.NewDocument;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Notices;
import app.decant.desktop.station.Station;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Job;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.stage.FileChooser;

/** Begins a document: empty, as a template is, or of scanned pages. It gets its name first, and is open to be written in then. */
final class Beginning {
    private static final List<String> TEMPLATES = List.of("*.dotx", "*.dotm", "*.dot", "*.ott", "*.docx", "*.docm", "*.doc", "*.odt", "*.rtf");

    private final Window window;

    Beginning(Window window) { this.window = window; }

    /** Asks for a name, and begins an empty document there. */
    void empty() {
        File file = named();
        if (file != null) emptyAt(file.toPath());
    }

    /** Asks for a template and a name, and begins a document there that is as the template. */
    void fromTemplate() {
        FileChooser chooser = chooser("begin.template");
        chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(Words.of("begin.templates"), TEMPLATES));
        File template = chooser.showOpenDialog(window.stage());
        File file = template == null ? null : named();
        if (file != null) from(template.toPath(), file.toPath());
    }

    void emptyAt(Path file) { begin(() -> NewDocument.empty(file, Locale.getDefault())); }

    void from(Path template, Path file) { begin(() -> NewDocument.from(template, file)); }

    /** Asks for a name, and begins a document there of what is seen on the scanned pages that are open. */
    void fromScan() {
        File file = named(window.desk().source().get().title());
        if (file != null) fromScanAt(file.toPath());
    }

    void fromScanAt(Path file) {
        Desk desk = window.desk();
        Document scans = desk.document();
        if (desk.job().get() != null) return;
        Job job = new Job(Words.of("begin.scan.job"));
        desk.job().set(job);
        job.start(desk::aside, progress -> NewDocument.ofScans(scans, file, progress), made -> {
            desk.job().set(null);
            desk.whenOpened(this::write);
            window.open(made);
        }, problem -> {
            desk.job().set(null);
            if (problem.kind() != DecantException.Kind.CANCELLED)
                window.notices().say(problem.getMessage(), "notice-bad", Notices.action("notice.well", () -> { }));
        });
    }

    /** Offers to make a document of pages that can be looked at only. */
    void offer() {
        if (NewDocument.isOfScans(window.desk().document()))
            window.notices().say(Words.of("begin.scan.offer"), "notice-work", Notices.action("begin.scan.take", this::fromScan), Notices.action("notice.leave",
                    () -> { }));
    }

    private File named() { return named(Words.of("begin.name")); }

    private File named(String name) {
        FileChooser chooser = chooser("begin.title");
        chooser.setInitialFileName(name);
        chooser.getExtensionFilters().addAll(new FileChooser.ExtensionFilter("docx", "*.docx"), new FileChooser.ExtensionFilter("odt", "*.odt"));
        return chooser.showSaveDialog(window.stage());
    }

    private FileChooser chooser(String title) {
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of(title));
        File folder = new File(window.settings().text("openFolder", System.getProperty("user.home")));
        if (folder.isDirectory()) chooser.setInitialDirectory(folder);
        return chooser;
    }

    /** One who begins a document writes: the caret is in its first line. */
    private void write() {
        window.go(Station.REVISE);
        List<Walk.Stop> stops = Walk.of(window.desk().document()).stops();
        if (!stops.isEmpty()) window.table().pick(TextSelection.caret(new Place(stops.get(0).path(), 0)), true);
        window.table().requestFocus();
    }

    private void begin(Supplier<Path> writing) {
        window.desk().aside(() -> {
            try {
                Path file = writing.get();
                Platform.runLater(() -> {
                    window.desk().whenOpened(this::write);
                    window.open(file);
                });
            } catch (DecantException e) {
                Platform.runLater(() -> window.notices().say(e.getMessage(), "notice-bad", Notices.action("notice.well", () -> { })));
            }
        });
    }
}
