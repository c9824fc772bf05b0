package app.decant.desktop;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Notices;
import app.decant.desktop.station.Window;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.publish.Recipe;
import app.decant.publish.Settling;
import app.decant.publish.Target;
import java.io.File;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.application.Platform;
import javafx.stage.FileChooser;
import org.slf4j.LoggerFactory;

/** Saves what is on the desk under a new name and in any format; what that can't hold is said before. */
final class Saving {
    private final Window window;

    Saving(Window window) { this.window = window; }

    /** Asks for a name; the original stays as it is. */
    void save() {
        if (window.desk().source().get() == null) return;
        FileChooser chooser = new FileChooser();
        chooser.setTitle(Words.of("save.title"));
        Path source = window.desk().source().get().file();
        File folder = new File(window.settings().text("saveFolder", String.valueOf(source.toAbsolutePath().getParent())));
        if (folder.isDirectory()) chooser.setInitialDirectory(folder);
        Target last = Target.of(window.settings().text("saveFormat", "docx"));
        chooser.setInitialFileName(Words.of("save.name", window.desk().source().get().title(), last));
        for (Target target : Target.values()) {
            if (target == Target.PDF) continue;
            FileChooser.ExtensionFilter filter = new FileChooser.ExtensionFilter(Words.of("save.kind", target.format().kind(), target), "*." + target);
            chooser.getExtensionFilters().add(filter);
            if (target == last) chooser.setSelectedExtensionFilter(filter);
        }
        File file = chooser.showSaveDialog(window.stage());
        if (file == null) return;
        window.settings().set("saveFolder", file.getParent());
        String picked = chooser.getSelectedExtensionFilter().getExtensions().get(0).substring(1);
        boolean named = Target.of(file.getName().substring(file.getName().lastIndexOf('.') + 1)) != null;
        to(named ? file.toPath() : file.toPath().resolveSibling(file.getName() + picked));
    }

    /** Saves a copy in the format of the file's ending; what that can't hold is said before, and asked about. */
    void to(Path file) {
        Target target = Target.of(file.getFileName().toString().replaceFirst("^.*\\.", ""));
        if (target == null || target == Target.PDF) target = Target.DOCX;
        window.settings().set("saveFormat", target.ending());
        if (target == Target.DOCX) {
            write(file, target);
            return;
        }
        Target format = target;
        Document document = window.desk().document();
        window.desk().aside(() -> {
            List<Finding> lost = lost(document, format);
            Platform.runLater(() -> {
                if (lost.isEmpty()) write(file, format);
                else window.notices().say(Words.of("save.loses", format, lost.stream().map(Finding::what).collect(Collectors.joining(" "))), "notice-asks",
                        Notices.action("save.anyway", () -> write(file, format)), Notices.action("unsaved.stay", () -> { }));
            });
        });
    }

    private static List<Finding> lost(Document document, Target target) {
        try {
            List<Finding> found = new ArrayList<>();
            Document settled = Settling.of(document, Recipe.PLAIN.to(target), found::add);
            found.addAll(target.format().write(settled, Instant.now()).findings());
            return found.stream().filter(one -> one.weight() == Finding.Weight.LOST).toList();
        } catch (RuntimeException e) {
            // Saving itself says what is wrong.
            LoggerFactory.getLogger(Saving.class).info("What a .{} would lose can't be told", target, e);
            return List.of();
        }
    }

    private void write(Path file, Target target) {
        Recipe recipe = Recipe.PLAIN.to(target).with(Recipe.WhenPresent.REPLACE);
        window.desk().publishing().publish(List.of(Map.entry("", recipe)), Recipe.Passwords.NONE, file, receipts ->
                window.notices().say(Words.of("save.done", receipts.get(0).file().getFileName()), "notice-good", Notices.action("notice.well", () -> { })));
    }
}
