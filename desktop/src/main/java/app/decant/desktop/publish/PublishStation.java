package app.decant.desktop.publish;

import app.decant.desktop.part.PhraseCard;
import app.decant.desktop.part.Sentence;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.ReceiptView;
import app.decant.desktop.station.Station;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Publishing;
import app.decant.desktop.work.Session;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Forms;
import app.decant.format.sheet.TablesAsSheets;
import app.decant.layout.PagedDocument;
import app.decant.page.Page;
import app.decant.pdf.Standard;
import app.decant.publish.NamePattern;
import app.decant.publish.Output;
import app.decant.publish.PageRange;
import app.decant.publish.PublishQueue;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import javafx.beans.InvalidationListener;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.stage.DirectoryChooser;

/** Publishing: a sentence whose underlined phrases are the settings, the pages as pictures, what will be proven, and at last the receipt. */
public final class PublishStation {
    private final Window window;
    private final Desk desk;
    private final PageGrid grid;
    private final VBox left = new VBox(12);
    private final VBox proofs = new VBox(4);
    private final VBox right = new VBox(18);
    private final ScrollPane scroll = new ScrollPane(right);
    private final VBox outer = new VBox();
    private final Sentence sentence = new Sentence();
    private final VBox after = new VBox(12);
    private final Button button = new Button();
    private final Label warning = new Label();
    private final Label size = new Label();
    private final PublishCards cards;
    private final ContentCards content;
    private final AlsoCard also;
    private final SheetsCard sheets;
    private final QueueView queue;
    private final Afterwards afterwards;
    private Recipe recipe = Recipe.PLAIN;
    private Recipe estimated;
    private PagedDocument estimatedOf;
    private String name = "";
    private Path folder;
    private int lossesAsked;
    private Session.Source arrivedFor;

    public PublishStation(Window window) {
        this.window = window;
        this.desk = window.desk();
        afterwards = new Afterwards(window);
        cards = new PublishCards(window, () -> recipe, this::set);
        content = new ContentCards(window, () -> recipe, this::set);
        queue = new QueueView(window);
        sheets = new SheetsCard(desk, () -> recipe, this::set);
        also = new AlsoCard(() -> recipe, this::build);
        grid = new PageGrid(desk, this::picked);
        Label section = section("publish.proofs");
        left.getChildren().addAll(grid.node(), section, proofs);
        VBox.setVgrow(grid.node(), Priority.ALWAYS);
        left.getStyleClass().add("publish-left");
        left.setPrefWidth(372);
        left.setMinWidth(372);
        VBox card = new VBox(sentence.node());
        card.getStyleClass().add("sentence-card");
        right.getStyleClass().add("publish-right");
        right.getChildren().addAll(card, queue.node(), after);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("station-scroll");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        button.setId("publish");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.getStyleClass().add("main-button");
        button.setOnAction(event -> publish());
        warning.getStyleClass().add("quiet");
        warning.setWrapText(true);
        Label key = new Label(Words.of("publish.key"));
        key.getStyleClass().add("quiet");
        key.setMinWidth(Region.USE_PREF_SIZE);
        Region between = new Region();
        HBox.setHgrow(between, Priority.ALWAYS);
        HBox.setHgrow(warning, Priority.SOMETIMES);
        size.getStyleClass().add("quiet");
        size.setId("estimate");
        size.setMinWidth(Region.USE_PREF_SIZE);
        HBox foot = new HBox(14, button, size, warning, between, key);
        foot.setAlignment(Pos.CENTER_LEFT);
        foot.getStyleClass().add("publish-foot");
        outer.getChildren().addAll(scroll, foot);
        desk.publishing().receipt().addListener((observed, before, now) -> {
            after.getChildren().clear();
            if (now != null) after.getChildren().add(ReceiptView.of(now, window, cards.passwords().toOpen()));
        });
        InvalidationListener settled = observed -> {
            if (window.station() == Station.PUBLISH) build();
        };
        desk.source().addListener((observed, before, now) -> {
            if (now != null) desk.session().settledPages().addListener(settled);
        });
        desk.pages().addListener((observed, before, now) -> {
            if (window.station() == Station.PUBLISH) arrive();
        });
    }

    public Node node() { return outer; }
    public Node pagesNode() { return left; }
    public Recipe recipe() { return recipe; }
    Path target() { return folder.resolve(name); }
    public Sentence sentence() { return sentence; }

    private static Label section(String key) {
        Label label = new Label(Words.of(key));
        label.getStyleClass().add("section");
        return label;
    }

    /** Called when the station is shown. */
    public void arrive() {
        Session.Source source = desk.source().get();
        if (source == null) return;
        if (arrivedFor != source) {
            arrivedFor = source;
            recipe = Recipe.PLAIN;
            cards.forgetPasswords();
            also.forget();
            afterwards.forget();
            name = source.title() + ".pdf";
            folder = startFolder(source);
            after.getChildren().clear();
        }
        build();
    }

    private Path startFolder(Session.Source source) {
        List<Path> kept = window.settings().folders("publishFolder");
        if (!kept.isEmpty()) return kept.get(0);
        Path parent = source.file().toAbsolutePath().getParent();
        return parent.resolve(Words.of("publish.outgoing"));
    }

    public void set(Recipe other) {
        recipe = other;
        build();
    }

    void intoFolder(Path other) {
        folder = other;
        build();
    }

    /** What is published under the sentence as it stands. */
    private PagedDocument pages() { return desk.session().published(recipe); }

    private void build() {
        PagedDocument pages = pages();
        boolean pdf = recipe.target() == Target.PDF;
        sentence.begin();
        sentence.say(Words.of("say.make") + " ").phrase("what", recipe.target().words(), this::whatCard);
        if (pdf) {
            sentence.say(" ").phrase("recipe", cards.recipeWords(), cards::recipeCard);
            sentence.say(" " + Words.of("say.of") + " ").phrase("pages", pagesWords(pages), this::pagesCard);
            sentence.say(", " + Words.of("say.with.bookmarks") + " ").phrase("bookmarks", content.bookmarkWords(), content::bookmarksCard);
            sentence.say(", " + Words.of("say.fonts") + " ").phrase("fonts", content.fontsWords(), content::fontsCard);
            sentence.say(", " + Words.of("say.pictures") + " ").phrase("pictures", cards.picturesWords(), cards::picturesCard);
            sentence.say(", ").phrase("lock", cards.lockWords(), cards::lockCard);
            sentence.say(", " + Words.of("say.opening") + " ").phrase("opening", cards.openingWords(), cards::openingCard);
            sentence.say(", " + Words.of("say.standard") + " ").phrase("standard", cards.standardWords(), cards::standardCard);
            sentence.say(", " + Words.of("say.links") + " ").phrase("links", content.linksWords(), content::linksCard);
            sentence.say(", " + Words.of("say.facts") + " ").phrase("facts", content.factsWords(), content::factsCard);
            sentence.say(", " + Words.of("say.laid") + " ").phrase("laid", content.laidWords(), content::laidCard);
            sentence.say(", " + Words.of("say.inside") + " ").phrase("inside", content.insideWords(), content::insideCard);
            // A PDF that stays itself keeps the fields it has.
            if (!desk.source().get().isPdf() && Forms.hasAny(desk.document()))
                sentence.say(", " + Words.of("say.form") + " ").phrase("form", content.formWords(), content::formCard);
            if (desk.session().isSheets()) sentence.say(", " + Words.of("say.sheets") + " ").phrase("sheets", sheets.words(), sheets::card);
            if (desk.source().get().isPdf()) sentence.say(", " + Words.of("say.remake") + " ").phrase("remake", content.remakeWords(), content::remakeCard);
            if (desk.session().hasTrackedChanges())
                sentence.say(", " + Words.of("say.changes") + " ").phrase("changes", content.changesWords(), content::changesCard);
        } else if (!Target.sheets().contains(recipe.target())) {
            sentence.say(" " + Words.of("say.whole"));
            if (desk.session().hasTrackedChanges())
                sentence.say(", " + Words.of("say.changes") + " ").phrase("changes", content.changesWords(), content::changesCard);
            if (recipe.target() == Target.TXT) sentence.say(", " + Words.of("say.text") + " ").phrase("text", content.textWords(), content::textCard);
            if (recipe.target().takesFonts())
                sentence.say(", " + Words.of("say.fonts") + " ").phrase("office-fonts", content.officeFontsWords(), content::officeFontsCard);
        }
        boolean locks = recipe.target().canLock() || recipe.locking().isOn();
        if (!pdf && locks) sentence.say(", ").phrase("lock", cards.passwordWords(), cards::passwordCard);
        sentence.say(". " + Words.of("say.name") + " ").phrase("name", name, this::nameCard);
        sentence.say(" " + Words.of("say.in") + " ").phrase("folder", folder.getFileName() == null ? folder.toString() : folder.getFileName().toString(),
                this::folderCard);
        if (Files.exists(target())) sentence.say(". " + Words.of("say.there") + " ").phrase("present", presentWords(), this::presentCard);
        sentence.say(", " + Words.of("say.also") + " ").phrase("also", also.words(), also::card);
        sentence.say(", " + Words.of("say.then") + " ").phrase("after", afterwards.words(), card -> afterwards.card(card, recipe.target(), this::build));
        sentence.say(".").end();
        button.setText(afterwards.isToWait() ? Words.of("publish.queue") : Words.of(pdf ? "publish.pdf" : "publish.other", recipe.target().ending()));
        tell(pages);
        grid.show(pages, pdf ? chosen(pages) : Set.of());
        proofs(pages);
        estimate(pages, pdf);
    }

    /** The expected size, worked out aside; the last wish counts. */
    private void estimate(PagedDocument pages, boolean pdf) {
        if (!pdf) {
            size.setText("");
            estimated = null;
            return;
        }
        if (recipe.equals(estimated) && pages == estimatedOf) return;
        Recipe asked = recipe;
        estimated = asked;
        estimatedOf = pages;
        desk.publishing().estimate(asked, bytes -> {
            if (asked == estimated) size.setText(bytes < 0 ? "" : Words.of("publish.size", ReceiptView.bytes(bytes)));
        });
    }

    private void tell(PagedDocument pages) {
        String text = "";
        if (Files.exists(target())) text = Words.of("publish.present", name, presentWords());
        try {
            if (recipe.target() == Target.PDF) recipe.pages().of(labels(pages));
        } catch (DecantException e) {
            // The sentence says in words what the range lacks; publishing would refuse it too.
            text = e.getMessage();
        }
        warning.setText(text);
    }

    private static List<String> labels(PagedDocument pages) { return pages.pages().stream().map(Page::label).toList(); }

    private Set<Integer> chosen(PagedDocument pages) {
        try {
            return new TreeSet<>(recipe.pages().of(labels(pages)));
        } catch (DecantException e) {
            return new TreeSet<>();
        }
    }

    private void proofs(PagedDocument pages) {
        proofs.getChildren().clear();
        if (recipe.target() == Target.PDF) {
            int count = chosen(pages).size();
            if (desk.source().get().isPdf() && recipe.keepsPages()) {
                Standard standard = recipe.style().standard();
                // Where structure may have to be put on pages, their bytes are others, and what they paint is not.
                proof(Words.of(standard.needsTags() ? "proof.painted" : "proof.own"));
                proof(Words.of(standard == Standard.NONE ? "proof.used" : "proof.used.standard"));
                proof(Words.of("proof.stands"));
                if (standard != Standard.NONE) proof(Words.of("proof.standard", standard.words()));
                if (recipe.locking().isOn()) proof(Words.of("proof.lock"));
                losses();
                return;
            }
            long marks = pages.outline().headings().stream().filter(heading -> recipe.style().bookmarks().includes(heading.level())).count();
            proof(Words.of("proof.pages", count));
            if (recipe.style().bookmarks().any()) proof(Words.of("proof.bookmarks", (int) marks));
            proof(Words.of("proof.fonts", pages.fonts().size()));
            proof(Words.of("proof.links"));
            if (recipe.style().tells()) proof(Words.of("proof.tags"));
            if (recipe.locking().isOn()) proof(Words.of("proof.lock"));
            if (recipe.style().standard() != Standard.NONE) proof(Words.of("proof.standard", recipe.style().standard().words()));
            // What doesn't fit its paper is told before, with the phrase beside it that mends it.
            if (desk.session().isSheets()) losses();
        } else if (Target.sheets().contains(recipe.target())) {
            proof(Words.of("proof.values"));
            losses();
        } else {
            proof(Words.of("proof.text"));
            losses();
        }
    }

    /** What the format will not carry, worked out aside; the last wish counts. */
    private void losses() {
        int asked = ++lossesAsked;
        desk.publishing().losses(recipe, findings -> {
            if (asked != lossesAsked || recipe.target() == Target.PDF && findings.isEmpty()) return;
            Label head = section(recipe.target() == Target.PDF ? "publish.differs" : "publish.losses");
            VBox.setMargin(head, new Insets(10, 0, 0, 0));
            proofs.getChildren().add(head);
            for (Finding finding : findings) item("\u25CB  " + finding.what());
            if (findings.isEmpty()) item(Words.of("publish.losses.none"));
        });
    }

    private void proof(String words) { item("\u25C7  " + words); }

    private void item(String words) {
        Label label = new Label(words);
        label.setWrapText(true);
        proofs.getChildren().add(label);
    }

    private String pagesWords(PagedDocument pages) {
        return recipe.split() == null ? rangeWords(pages) : Words.of("pages.each", rangeWords(pages), recipe.split());
    }

    private String rangeWords(PagedDocument pages) {
        return switch (recipe.pages().text()) {
            case "all" -> pages.count() == 1 ? Words.of("pages", 1) : Words.of("pages.all", pages.count());
            case "odd" -> Words.of("pages.odd");
            case "even" -> Words.of("pages.even");
            default -> Words.of("pages.some", recipe.pages().text().replace("-", "\u2013"));
        };
    }

    private String presentWords() { return Words.of("present." + recipe.present().name().toLowerCase(Locale.ROOT)); }

    /** Pages clicked in the grid become the range. */
    private void picked(Set<Integer> pages) {
        int count = pages().count();
        set(recipe.of(pages.size() == count ? PageRange.ALL : new PageRange(ranges(pages))));
    }

    static String ranges(Set<Integer> pages) {
        StringBuilder text = new StringBuilder();
        List<Integer> sorted = List.copyOf(new TreeSet<>(pages));
        for (int i = 0; i < sorted.size(); i++) {
            int from = sorted.get(i);
            while (i + 1 < sorted.size() && sorted.get(i + 1) == sorted.get(i) + 1) i++;
            int to = sorted.get(i);
            text.append(text.isEmpty() ? "" : ", ").append(from + 1);
            if (to > from) text.append("-").append(to + 1);
        }
        return text.toString();
    }

    private void whatCard(PhraseCard card) {
        card.title(Words.of("card.what"));
        List<Target> targets = new ArrayList<>(Target.values());
        // What is a workbook can stay one.
        if (desk.session().isSheets()) targets.addAll(1, Target.sheets());
        // What has tables can become one of those.
        boolean tables = !desk.session().isSheets() && TablesAsSheets.any(desk.document());
        if (tables) targets.addAll(Target.sheets());
        for (Target target : targets) {
            String about = Words.of("target." + target.ending() + ".about");
            boolean part = tables && Target.sheets().contains(target);
            card.choice(Words.of("target." + target.ending()), part ? Words.of("target.tables", about) : about, recipe.target() == target, () -> {
                name = SafeFile.withoutEnding(name) + "." + target.ending();
                set(recipe.to(target));
            });
        }
    }

    private void pagesCard(PhraseCard card) {
        card.title(Words.of("card.pages"));
        int count = pages().count();
        card.choice(Words.of("pages.all", count), "", recipe.pages().equals(PageRange.ALL), () -> set(recipe.of(PageRange.ALL)));
        if (count > 1) {
            card.choice(Words.of("pages.odd"), "", recipe.pages().text().equals("odd"), () -> set(recipe.of(new PageRange("odd"))));
            card.choice(Words.of("pages.even"), "", recipe.pages().text().equals("even"), () -> set(recipe.of(new PageRange("even"))));
        }
        TextField field = card.field("range", recipe.pages().text().matches("all|odd|even") ? "" : recipe.pages().text(), Words.of("card.pages.prompt"));
        card.accept(field, text -> {
            try {
                PageRange range = new PageRange(text);
                range.of(labels(pages()));
                set(recipe.of(range));
                return null;
            } catch (DecantException e) {
                return e.getMessage();
            }
        });
        card.note(Words.of("card.pages.note"));
        TextField split = card.field("split", recipe.split() == null ? "" : recipe.split(), Words.of("card.pages.split"));
        card.accept(split, text -> {
            try {
                if (!text.isBlank()) NamePattern.of(text.trim(), "x", pages(), 0, 1, Instant.now());
                set(recipe.split(text.isBlank() ? null : text.trim()));
                return null;
            } catch (DecantException e) {
                return e.getMessage();
            }
        });
        card.note(Words.of("card.pages.split.note", NamePattern.of("{name} {nn}", SafeFile.withoutEnding(name), pages(), 0, 1, Instant.now())
                + ".pdf"));
    }

    private void nameCard(PhraseCard card) {
        card.title(Words.of("card.name"));
        TextField field = card.field("name", name, "");
        card.accept(field, text -> {
            String wanted = text.trim();
            if (wanted.isEmpty() || wanted.contains("/") || wanted.contains("\\")) return Words.of("card.name.wrong");
            name = wanted.toLowerCase(Locale.ROOT).endsWith("." + recipe.target().ending()) ? wanted : wanted + "." + recipe.target().ending();
            build();
            return null;
        });
    }

    private void folderCard(PhraseCard card) {
        card.title(Words.of("card.folder"));
        card.note(folder.toString());
        Path beside = desk.source().get().file().toAbsolutePath().getParent();
        card.choice(Words.of("folder.beside"), "", folder.equals(beside), () -> into(beside));
        card.choice(Words.of("publish.outgoing"), "", folder.equals(beside.resolve(Words.of("publish.outgoing"))),
                () -> into(beside.resolve(Words.of("publish.outgoing"))));
        card.choice(Words.of("folder.other"), "", false, () -> {
            DirectoryChooser chooser = new DirectoryChooser();
            if (Files.isDirectory(folder)) chooser.setInitialDirectory(folder.toFile());
            File picked = chooser.showDialog(window.stage());
            if (picked != null) into(picked.toPath());
        });
    }

    private void into(Path other) {
        window.settings().set("publishFolder", other.toString());
        window.settings().save();
        intoFolder(other);
    }

    private void presentCard(PhraseCard card) {
        card.title(Words.of("card.present"));
        for (Recipe.WhenPresent rule : Recipe.WhenPresent.values()) {
            String key = rule.name().toLowerCase(Locale.ROOT);
            card.choice(Words.of("present." + key), Words.of("present." + key + ".about"), recipe.present() == rule, () -> set(recipe.with(rule)));
        }
    }

    public void publish() { publish(recipe.present()); }

    /** Publishes as the sentence says, with another rule for a file that is there. */
    public void publish(Recipe.WhenPresent present) {
        if (desk.job().get() != null || desk.source().get() == null) return;
        desk.trouble().set(null);
        if (afterwards.isToWait()) {
            desk.whenLaidOut(() -> {
                List<Map.Entry<String, Recipe>> all = also.all(recipe.with(present));
                List<Path> names = Output.names(target(), all);
                List<PublishQueue.Wish> wishes = new ArrayList<>();
                for (int i = 0; i < names.size(); i++) wishes.add(new PublishQueue.Wish(all.get(i).getValue(), names.get(i)));
                queue.add(desk.document(), desk.source().get(), wishes);
            });
            return;
        }
        desk.publishing().publish(also.all(recipe.with(present)), cards.passwords(), target(), receipts -> {
            build();
            scroll.setVvalue(1);
            afterwards.follow(receipts, cards.passwords().toOpen());
        });
    }
}
