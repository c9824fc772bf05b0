package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.edit.FontReplacing;
import app.decant.font.EmbeddingRight;
import app.decant.font.FontCatalogue;
import app.decant.layout.PagedDocument;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** The fonts of the document at a glance: whether each is here, what stands in for it, what its licence allows; each can be replaced everywhere. */
final class FontsCard {
    private final Desk desk;
    private final VBox rows = new VBox(12);
    private final More more = new More("glance", rows);
    private List<FontCatalogue.Match> shown = List.of();

    FontsCard(Desk desk) {
        this.desk = desk;
        more.whenOpened(this::tell);
    }

    Node node() { return more; }

    void tell() {
        PagedDocument pages = desk.pages().get();
        if (!more.isOpen() || pages == null) return;
        List<FontCatalogue.Match> now = new ArrayList<>(pages.fonts());
        // Those that are not here are what somebody looks for.
        now.sort(Comparator.comparing(FontCatalogue.Match::here).thenComparing(FontCatalogue.Match::family));
        if (now.equals(shown) && !rows.getChildren().isEmpty()) return;
        shown = now;
        rows.getChildren().clear();
        for (FontCatalogue.Match match : now) rows.getChildren().add(row(match));
    }

    private Node row(FontCatalogue.Match match) {
        Label family = new Label(match.family());
        family.getStyleClass().add("strong");
        String where = match.here() ? Words.of("glance.here") : Words.of(match.equalWidths() ? "glance.alike" : "glance.other", match.face().family());
        EmbeddingRight right = EmbeddingRight.of(match.face().fsType());
        Label about = new Label(where + " " + Words.of("glance." + right.name().toLowerCase(Locale.ROOT)));
        about.getStyleClass().add("quiet");
        about.setWrapText(true);
        ComboBox<String> instead = new ComboBox<>();
        instead.setId("glance-" + match.family().replaceAll("[^A-Za-z0-9]+", "-"));
        instead.setPromptText(Words.of("glance.replace"));
        instead.setAccessibleText(Words.of("glance.replace.what", match.family()));
        instead.setMaxWidth(Double.MAX_VALUE);
        instead.setOnShowing(event -> {
            if (instead.getItems().isEmpty()) instead.getItems().setAll(FontCatalogue.ofThisMachine().families());
        });
        instead.setOnAction(event -> {
            String other = instead.getValue();
            if (other != null && !other.equals(match.family()))
                desk.inOrder(() -> desk.apply(FontReplacing.replace(desk.document(), desk.selection().get(), match.family(), other)));
        });
        return new VBox(4, family, about, instead);
    }
}
