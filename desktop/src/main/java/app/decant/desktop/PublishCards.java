package app.decant.desktop;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.pdf.Opening;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.Pictures;
import app.decant.pdf.Protection;
import app.decant.pdf.Standard;
import app.decant.publish.FactsRule;
import app.decant.publish.Laid;
import app.decant.publish.Recipe;
import app.decant.publish.Recipes;
import java.io.File;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.scene.control.TextField;
import javafx.stage.FileChooser;

/** The phrases of a publication that say what a PDF is like, and the card that opens at each. */
final class PublishCards {
    private final MainWindow window;
    private final Supplier<Recipe> recipe;
    private final Consumer<Recipe> set;
    private final Recipes recipes = new Recipes(Decant.home().resolve("recipes"));
    private Recipe.Passwords passwords = Recipe.Passwords.NONE;

    PublishCards(MainWindow window, Supplier<Recipe> recipe, Consumer<Recipe> set) {
        this.window = window;
        this.recipe = recipe;
        this.set = set;
    }

    /** The passwords given for this document; forgotten with it. */
    Recipe.Passwords passwords() { return passwords; }

    void forgetPasswords() { passwords = Recipe.Passwords.NONE; }

    private Recipe now() { return recipe.get(); }

    private static String key(Enum<?> value) { return value.name().toLowerCase(Locale.ROOT); }

    String recipeWords() {
        Recipe bare = bare(now());
        for (Map.Entry<String, Recipe> entry : recipes.all().entrySet()) if (bare(entry.getValue()).equals(bare)) return Words.of("recipe.named", entry.getKey());
        return Words.of("recipe.own");
    }

    /** A recipe without what belongs to one publication only. */
    private static Recipe bare(Recipe recipe) { return recipe.of(Recipe.PLAIN.pages()).with(Recipe.PLAIN.present()); }

    void recipeCard(PhraseCard card) {
        card.title(Words.of("card.recipe"));
        Recipe bare = bare(now());
        for (Map.Entry<String, Recipe> entry : recipes.all().entrySet()) {
            card.choice(entry.getKey(), Recipes.isShipped(entry.getKey()) ? Words.of("recipe." + entry.getKey().replace(" ", "").toLowerCase(Locale.ROOT)) : Words.of("recipe.mine"), bare(entry.getValue()).equals(bare),
                    () -> set.accept(entry.getValue().of(now().pages()).with(now().present())));
        }
        TextField field = card.field("keep", "", Words.of("card.recipe.keep"));
        card.accept(field, text -> {
            try {
                recipes.keep(text, bare);
                set.accept(now());
                return null;
            } catch (DecantException e) {
                return e.getMessage();
            }
        });
        card.note(Words.of("card.recipe.note"));
    }

    String picturesWords() {
        Pictures pictures = now().style().pictures();
        if (pictures.isExact()) return Words.of("pictures.exact");
        if (pictures.quality() == 0) return Words.of("pictures.coarser", pictures.resolution());
        return pictures.resolution() == 0 ? Words.of("pictures.jpeg", pictures.quality()) : Words.of("pictures.both", pictures.resolution(), pictures.quality());
    }

    void picturesCard(PhraseCard card) {
        card.title(Words.of("card.pictures"));
        Pictures chosen = now().style().pictures();
        for (Pictures one : List.of(Pictures.EXACT, new Pictures(85, 300), new Pictures(75, 150), new Pictures(50, 96))) {
            card.choice(one.isExact() ? Words.of("pictures.exact.card") : Words.of("pictures.both", one.resolution(), one.quality()), Words.of(one.isExact() ? "pictures.exact.about" : "pictures." + one.resolution() + ".about"), one.equals(chosen),
                    () -> set.accept(now().with(now().style().with(one))));
        }
        TextField field = card.field("pictures", chosen.isExact() ? "" : chosen.quality() + ", " + chosen.resolution(), Words.of("card.pictures.prompt"));
        card.accept(field, text -> {
            String[] parts = text.trim().split("\\s*[,; ]\\s*");
            if (!text.trim().matches("\\d{1,3}(\\s*[,; ]\\s*\\d{1,4})?") || Integer.parseInt(parts[0]) > 100) return Words.of("card.pictures.wrong");
            set.accept(now().with(now().style().with(new Pictures(Integer.parseInt(parts[0]), parts.length > 1 ? Integer.parseInt(parts[1]) : 0))));
            return null;
        });
        card.note(Words.of("card.pictures.note"));
    }

    String lockWords() {
        Recipe.Locking locking = now().locking();
        if (!locking.isOn()) return Words.of("lock.none");
        int allowed = locking.allowed().size();
        if (!passwords.toOpen().isEmpty()) return Words.of("lock.opens");
        return allowed == 8 ? Words.of("lock.all") : Words.of("lock.some", allowed);
    }

    void lockCard(PhraseCard card) {
        card.title(Words.of("card.lock"));
        card.choice(Words.of("lock.none.card"), "", !now().locking().isOn(), () -> {
            passwords = Recipe.Passwords.NONE;
            set.accept(now().with(Recipe.Locking.NONE));
        });
        TextField toOpen = card.secret("open-password", passwords.toOpen(), Words.of("card.lock.open"));
        TextField toChange = card.secret("owner-password", passwords.toChange(), Words.of("card.lock.change"));
        card.note(Words.of("card.lock.allowed"));
        Set<Protection.Permission> allowed = EnumSet.noneOf(Protection.Permission.class);
        allowed.addAll(now().locking().isOn() ? now().locking().allowed() : EnumSet.of(Protection.Permission.PRINT, Protection.Permission.PRINT_FINE, Protection.Permission.COPY, Protection.Permission.READ_ALOUD));
        for (Protection.Permission permission : Protection.Permission.values()) {
            card.toggle(Words.of("allow." + key(permission)), "", allowed.contains(permission), on -> {
                if (on) allowed.add(permission);
                else allowed.remove(permission);
            });
        }
        boolean[] old = {now().locking().strength().isWeak()};
        card.toggle(Words.of("lock.weak"), Words.of("lock.weak.about"), old[0], on -> old[0] = on);
        card.done(Words.of("card.lock.done"), () -> {
            if (!toOpen.getText().isEmpty() && toOpen.getText().equals(toChange.getText())) return Words.of("card.lock.same");
            if (toOpen.getText().isEmpty() && allowed.size() == 8) return Words.of("card.lock.nothing");
            passwords = new Recipe.Passwords(toOpen.getText(), toChange.getText());
            set.accept(now().with(new Recipe.Locking(old[0] ? Protection.Strength.RC4_128 : Protection.Strength.AES_256, allowed)));
            return null;
        });
        card.note(Words.of("card.lock.note"));
    }

    String openingWords() {
        Opening opening = now().style().opening();
        String zoom = opening.zoom() == Opening.WHOLE_PAGE ? Words.of("opening.whole") : opening.zoom() == Opening.PAGE_WIDTH ? Words.of("opening.width") : "";
        String panel = Words.of("opening.panel." + key(opening.panel()));
        String where = opening.fullScreen() ? Words.of("opening.full") : opening.page() > 1 ? Words.of("opening.page", opening.page()) : Words.of("opening.front");
        return where + (zoom.isEmpty() ? "" : ", " + zoom) + (opening.fullScreen() ? "" : " " + panel);
    }

    void openingCard(PhraseCard card) {
        card.title(Words.of("card.opening"));
        Opening[] made = {now().style().opening()};
        for (Opening.Panel panel : List.of(Opening.Panel.BOOKMARKS, Opening.Panel.PAGE_PICTURES, Opening.Panel.NONE)) {
            card.choice(Words.of("opening.choice." + key(panel)), "", made[0].panel() == panel && !made[0].fullScreen(), () -> opening(made[0].with(panel).fullScreen(false)));
        }
        card.choice(Words.of("opening.choice.full"), Words.of("opening.choice.full.about"), made[0].fullScreen(), () -> opening(made[0].fullScreen(true)));
        card.toggle(Words.of("opening.choice.whole"), "", made[0].zoom() == Opening.WHOLE_PAGE, on -> made[0] = made[0].zoom(on ? Opening.WHOLE_PAGE : Opening.AS_BEFORE));
        card.toggle(Words.of("opening.choice.spreads"), "", made[0].arrangement() == Opening.Arrangement.SPREADS_FROM_COVER, on -> made[0] = made[0].with(on ? Opening.Arrangement.SPREADS_FROM_COVER : Opening.Arrangement.AS_BEFORE));
        card.toggle(Words.of("opening.choice.hidden"), "", made[0].hidden(), on -> made[0] = made[0].hidden(on));
        TextField page = card.field("opening-page", made[0].page() > 0 ? String.valueOf(made[0].page()) : "", Words.of("card.opening.page"));
        card.done(Words.of("card.take"), () -> {
            String text = page.getText().trim();
            int count = now().pages().of(window.desk().pages().get().pages().stream().map(app.decant.layout.Page::label).toList()).size();
            if (!text.isEmpty() && (!text.matches("\\d{1,5}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > count)) return Words.of("card.opening.wrong", count);
            opening(made[0].page(text.isEmpty() ? 0 : Integer.parseInt(text)));
            return null;
        });
    }

    private void opening(Opening opening) { set.accept(now().with(now().style().with(opening))); }

    String standardWords() { return now().style().standard() == Standard.NONE ? Words.of("standard.none") : Words.of(now().style().standard().isArchive() ? "standard.archive" : "standard.everybody", now().style().standard().words()); }

    void standardCard(PhraseCard card) {
        card.title(Words.of("card.standard"));
        for (Standard standard : List.of(Standard.NONE, Standard.UA_1, Standard.A_2B, Standard.A_2U, Standard.A_2A, Standard.A_2A_UA_1, Standard.A_3B, Standard.A_1B, Standard.A_1A)) {
            card.choice(standard == Standard.NONE ? Words.of("standard.none.card") : standard.words(), Words.of("standard." + key(standard) + ".about"), now().style().standard() == standard, () -> set.accept(now().with(now().style().with(standard))));
        }
        card.note(Words.of("card.standard.note"));
    }

    String laidWords() {
        List<Laid> laid = now().laid();
        if (laid.isEmpty()) return Words.of("laid.none");
        if (laid.size() > 1) return Words.of("laid.many", laid.size());
        return laid.get(0).file() ? Words.of("laid.file", Path.of(laid.get(0).what()).getFileName()) : Words.of("laid.words", laid.get(0).what());
    }

    void laidCard(PhraseCard card) {
        card.title(Words.of("card.laid"));
        card.choice(Words.of("laid.none.card"), "", now().laid().isEmpty(), () -> set.accept(now().with(List.of())));
        card.choice(Words.of("laid.letterhead"), Words.of("laid.letterhead.about"), false, () -> {
            FileChooser chooser = new FileChooser();
            chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("PDF, PNG, JPEG", "*.pdf", "*.png", "*.jpg", "*.jpeg"));
            File file = chooser.showOpenDialog(window.stage());
            if (file != null) set.accept(now().with(laid(Laid.letterhead(file.toPath()))));
        });
        TextField field = card.field("watermark", now().laid().stream().filter(one -> !one.file()).map(Laid::what).findFirst().orElse(""), Words.of("card.laid.prompt"));
        card.accept(field, text -> {
            if (text.isBlank()) return Words.of("card.laid.wrong");
            set.accept(now().with(laid(Laid.watermark(text.trim()))));
            return null;
        });
        card.note(Words.of("card.laid.note"));
    }

    /** A new letterhead or new words take the place of the old ones; the other of the two stays. */
    private List<Laid> laid(Laid anew) { return Stream.concat(now().laid().stream().filter(one -> one.file() != anew.file()), Stream.of(anew)).toList(); }

    String linksWords() { return Words.of("links." + key(now().links())); }

    void linksCard(PhraseCard card) {
        card.title(Words.of("card.links"));
        for (Recipe.Links links : Recipe.Links.values()) card.choice(Words.of("links." + key(links) + ".card"), "", now().links() == links, () -> set.accept(now().with(links)));
    }

    String factsWords() {
        FactsRule facts = now().facts();
        String title = facts.title() != null ? facts.title() : facts.stripped() ? null : window.desk().document().facts().title();
        return title == null || title.isBlank() ? facts.stripped() ? Words.of("facts.stripped") : Words.of("facts.kept") : Words.of("facts.title", title.length() > 40 ? title.substring(0, 38).trim() + "…" : title);
    }

    void factsCard(PhraseCard card) {
        card.title(Words.of("card.facts"));
        FactsRule rule = now().facts();
        Facts own = window.desk().document().facts();
        TextField title = card.named("facts-title", shown(rule.title(), rule.stripped() ? null : own.title()), Words.of("card.facts.title"));
        TextField author = card.named("facts-author", shown(rule.author(), rule.stripped() ? null : own.author()), Words.of("card.facts.author"));
        TextField subject = card.named("facts-subject", shown(rule.subject(), rule.stripped() ? null : own.subject()), Words.of("card.facts.subject"));
        TextField keywords = card.named("facts-keywords", shown(rule.keywords(), rule.stripped() ? null : own.keywords()), Words.of("card.facts.keywords"));
        boolean[] strip = {rule.stripped()};
        card.toggle(Words.of("card.facts.strip"), "", strip[0], on -> {
            strip[0] = on;
            if (on) for (TextField field : List.of(title, author, subject, keywords)) field.clear();
        });
        card.done(Words.of("card.take"), () -> {
            set.accept(now().with(new FactsRule(strip[0], anew(title, own.title(), strip[0]), anew(subject, own.subject(), strip[0]), anew(author, own.author(), strip[0]), anew(keywords, own.keywords(), strip[0]), rule.language())));
            return null;
        });
    }

    private static String shown(String anew, String own) { return anew != null ? anew : own == null ? "" : own; }

    /** What a field says, or null where that is what the document says itself. */
    private static String anew(TextField field, String own, boolean stripped) {
        String text = field.getText().trim();
        if (stripped) return text.isEmpty() ? null : text;
        return text.equals(own == null ? "" : own) ? null : text;
    }

    String bookmarkWords() {
        PdfChoices.Bookmarks marks = now().style().bookmarks();
        if (!marks.any()) return Words.of("bookmarks.none");
        return marks.from() == marks.to() ? Words.of("bookmarks.level", marks.from()) : Words.of("bookmarks.levels", marks.from(), marks.to());
    }

    void bookmarksCard(PhraseCard card) {
        card.title(Words.of("card.bookmarks"));
        for (int level = 1; level <= 4; level++) {
            int to = level;
            PdfChoices.Bookmarks marks = new PdfChoices.Bookmarks(1, to, 1);
            long count = window.desk().pages().get().outline().headings().stream().filter(heading -> marks.includes(heading.level())).count();
            card.choice(to == 1 ? Words.of("bookmarks.level", 1) : Words.of("bookmarks.levels", 1, to), Words.count("headings", (int) count), now().style().bookmarks().any() && now().style().bookmarks().to() == to, () -> set.accept(now().with(marks)));
        }
        card.choice(Words.of("bookmarks.none"), "", !now().style().bookmarks().any(), () -> set.accept(now().with(PdfChoices.Bookmarks.NONE)));
    }

    void fontsCard(PhraseCard card) {
        card.title(Words.of("card.fonts"));
        PdfChoices.Fonts chosen = now().style().fonts();
        card.choice(Words.of("fonts.used.card"), Words.of("fonts.used.about"), chosen == PdfChoices.Fonts.USED_CHARACTERS, () -> set.accept(now().with(PdfChoices.Fonts.USED_CHARACTERS)));
        card.choice(Words.of("fonts.whole.card"), Words.of("fonts.whole.about"), chosen == PdfChoices.Fonts.WHOLE, () -> set.accept(now().with(PdfChoices.Fonts.WHOLE)));
        card.note(Words.of("card.fonts.note"));
    }
}
