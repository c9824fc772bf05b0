package app.decant.desktop;

import app.decant.desktop.part.Words;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.edit.Search;
import app.decant.layout.PagedDocument;
import app.decant.page.Page;
import app.decant.page.Rewritten;
import java.time.format.DateTimeFormatter;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.Duration;

/** The ledger at the bottom: where one is, and that the work and the original are safe. */
final class Ledger {
    private final Desk desk;
    private final PageTable table;
    private final HBox bar = new HBox();
    private final Label where = new Label();
    private final Label about = new Label();
    private final Label safe = new Label();
    private final PauseTransition counting = new PauseTransition(Duration.millis(400));
    private int words = -1;
    private boolean inRoom;
    private SheetRoom sheets;

    Ledger(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        bar.getStyleClass().add("ledger");
        bar.setAlignment(Pos.CENTER_LEFT);
        where.getStyleClass().add("strong");
        about.getStyleClass().add("quiet");
        safe.getStyleClass().add("quiet");
        Region between = new Region();
        HBox.setHgrow(between, Priority.ALWAYS);
        bar.getChildren().addAll(where, about, between, safe);
        desk.pages().addListener((observed, before, now) -> {
            counting.playFromStart();
            tell();
        });
        desk.kept().addListener((observed, before, now) -> tell());
        desk.changed().addListener((observed, before, now) -> tell());
        table.pageInView().addListener((observed, before, now) -> tell());
        table.zoomProperty().addListener((observed, before, now) -> tell());
        counting.setOnFinished(event -> count());
        tell();
    }

    Node node() { return bar; }

    /** Tells of the sheet that is revised, as long as one is. */
    void sheets(SheetRoom room) {
        sheets = room;
        room.table().surface().addListener((observed, before, now) -> tell());
        room.shown().addListener((observed, before, now) -> tell());
    }

    /** Tells of the room for folders, or again of the document. */
    void room(boolean in) {
        inRoom = in;
        tell();
    }

    private void count() {
        PagedDocument pages = desk.pages().get();
        if (pages == null) return;
        desk.aside(() -> {
            int counted = Search.words(pages.document());
            Platform.runLater(() -> {
                words = counted;
                tell();
            });
        });
    }

    /** How much of a file's own pages is not as it was. */
    private String revised(PagedDocument pages) {
        if (desk.session().ground() == null || desk.session().isAsText()) return "";
        List<Page.Ground> own = pages.pages().stream().map(Page::ground).filter(Objects::nonNull).toList();
        Set<Integer> known = new HashSet<>();
        // Of two that stand on one of the file's, the second was put in.
        List<Page.Ground> came = own.stream().filter(ground -> known.add(ground.page())).toList();
        List<Rewritten> rewritten = came.stream().map(Page.Ground::rewritten).filter(Objects::nonNull).toList();
        int places = rewritten.stream().mapToInt(Rewritten::places).sum();
        return told("ledger.changed", rewritten.size(), places) + told("ledger.added", own.size() - came.size())
                + told("ledger.anew", pages.count() - own.size());
    }

    private static String told(String key, int count, Object... more) {
        return count == 0 ? "" : " \u00B7 " + Words.of(key, Stream.concat(Stream.of(count), Stream.of(more)).toArray());
    }

    private void tell() {
        if (inRoom) {
            where.setText(Words.of("ledger.folders"));
            about.setText(Words.of("ledger.folders.about"));
            safe.setText(Words.of("ledger.folders.safe"));
            return;
        }
        PagedDocument pages = desk.pages().get();
        if (pages == null) {
            where.setText(Words.of("ledger.nothing"));
            about.setText("");
            safe.setText(Words.of("ledger.private"));
            return;
        }
        where.setText(Words.of("ledger.page", table.pageInView().get() + 1, pages.count()));
        long replaced = pages.fonts().stream().filter(match -> !match.here()).count();
        StringBuilder text = new StringBuilder();
        if (words >= 0) text.append(" \u00B7 ").append(Words.of("words", words));
        if (replaced > 0) text.append(" \u00B7 ").append(Words.of("fonts.replaced", (int) replaced));
        text.append(revised(pages));
        about.setText(text.toString());
        if (sheets != null && sheets.isShown()) {
            String[] told = sheets.table().about();
            where.setText(told[0]);
            about.setText(told[1]);
        }
        String copy = desk.kept().get() == null ? "" : ", " + Words.of("ledger.kept", desk.kept().get().format(DateTimeFormatter.ofPattern("HH:mm:ss")));
        safe.setText(Words.of("ledger.original") + copy + " \u00B7 " + Math.round(table.zoomProperty().get() * 100) + " %");
    }
}
