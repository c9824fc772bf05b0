package app.decant.desktop.revise;

import app.decant.desktop.part.More;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.DecantException;
import app.decant.document.FontFile;
import app.decant.edit.FontReplacing;
import app.decant.font.BroughtFonts;
import app.decant.font.EmbeddingRight;
import app.decant.font.FontCatalogue;
import app.decant.layout.PagedDocument;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import app.decant.words.Message;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;
import org.slf4j.LoggerFactory;

/**
 * The fonts of the document at a glance: whether each is here, what stands in for it in how many lines, what its licence allows; each can be replaced
 * everywhere, others
 * added from files.
 */
public final class FontsCard {
    /** Larger files are no fonts for a document. */
    private static final long MOST = 64L << 20;

    private final Desk desk;
    private final VBox rows = new VBox(12);
    private final VBox box = new VBox(16);
    private final More more = new More("glance", box);
    private List<FontCatalogue.Match> shown = List.of();
    private Map<String, Integer> counted = Map.of();

    FontsCard(Window window) {
        desk = window.desk();
        Button add = new Button(Words.of("glance.add"));
        add.setId("glance-add");
        add.setTooltip(new Tooltip(Words.of("glance.add.about")));
        add.setOnAction(event -> {
            FileChooser chooser = new FileChooser();
            chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter(Words.of("glance.files"), "*.ttf", "*.otf", "*.TTF", "*.OTF"));
            File file = chooser.showOpenDialog(window.stage());
            if (file != null) add(file.toPath());
        });
        box.getChildren().addAll(rows, add);
        more.whenOpened(this::tell);
    }

    /** A font from a file, for this document. */
    public void add(Path file) {
        desk.aside(() -> {
            try {
                if (Files.size(file) > MOST) throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("font.is-no-font-that-can-be-read",
                        file.getFileName()));
                FontFile font = BroughtFonts.file(Files.readAllBytes(file), file.getFileName().toString());
                Platform.runLater(() -> desk.inOrder(() -> desk.apply(FontReplacing.add(desk.document(), desk.selection().get(), font))));
            } catch (DecantException e) {
                Platform.runLater(() -> desk.trouble().set(e));
            } catch (IOException e) {
                LoggerFactory.getLogger(FontsCard.class).info("{} can't be read", file, e);
                Platform.runLater(() -> desk.trouble().set(new DecantException(DecantException.Kind.UNREADABLE,
                        Message.of("font.is-no-font-that-can-be-read", file.getFileName()), e)));
            }
        });
    }

    Node node() { return more; }

    void tell() {
        PagedDocument pages = desk.pages().get();
        if (!more.isOpen() || pages == null) return;
        List<FontCatalogue.Match> now = new ArrayList<>(pages.fonts());
        // Those that are not here are what somebody looks for.
        now.sort(Comparator.comparing(FontCatalogue.Match::here).thenComparing(FontCatalogue.Match::family));
        Map<String, Integer> lines = lines(pages);
        if (now.equals(shown) && lines.equals(counted) && !rows.getChildren().isEmpty()) return;
        shown = now;
        counted = lines;
        rows.getChildren().clear();
        for (FontCatalogue.Match match : now) rows.getChildren().add(row(match));
    }

    /** How many lines stand in each family. */
    private static Map<String, Integer> lines(PagedDocument pages) {
        Map<String, Integer> lines = new HashMap<>();
        for (Page page : pages.pages()) {
            for (Item.LineItem line : page.lines()) {
                Set<String> families = new HashSet<>();
                for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs) families.add(glyphs.style().face().family());
                for (String family : families) lines.merge(family, 1, Integer::sum);
            }
        }
        return lines;
    }

    private Node row(FontCatalogue.Match match) {
        Label family = new Label(match.family());
        family.getStyleClass().add("strong");
        String where = match.here() ? Words.of("glance.here") : Words.of(match.equalWidths() ? "glance.alike" : "glance.other", match.face().family(),
                counted.getOrDefault(match.face().family(), 0));
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
