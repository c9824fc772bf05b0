package app.decant.desktop.publish;

import app.decant.Decant;
import app.decant.desktop.part.PhraseCard;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.document.DecantException;
import app.decant.page.Page;
import app.decant.pdf.Opening;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.pdf.lock.PasswordStrength;
import app.decant.pdf.lock.Protection;
import app.decant.publish.Recipe;
import app.decant.publish.Recipes;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.TextField;

/** The phrases of a publication that say what a PDF is like as a file, and the card that opens at each. */
public final class PublishCards extends RecipeCards {
    private final Recipes recipes = new Recipes(Decant.home().resolve("recipes"));
    private Recipe.Passwords passwords = Recipe.Passwords.NONE;

    PublishCards(Window window, Supplier<Recipe> recipe, Consumer<Recipe> set) {
        super(window, recipe, set);
    }

    /** The passwords given for this document; forgotten with it. */
    Recipe.Passwords passwords() { return passwords; }

    void forgetPasswords() { passwords = Recipe.Passwords.NONE; }

    String recipeWords() {
        Recipe bare = bare(now());
        for (Map.Entry<String, Recipe> entry : recipes.all().entrySet())
            if (bare(entry.getValue()).equals(bare)) return Words.of("recipe.named", entry.getKey());
        return Words.of("recipe.own");
    }

    /** A recipe without what belongs to one publication only. */
    private static Recipe bare(Recipe recipe) { return recipe.of(Recipe.PLAIN.pages()).with(Recipe.PLAIN.present()); }

    void recipeCard(PhraseCard card) {
        card.title(Words.of("card.recipe"));
        Recipe bare = bare(now());
        for (Map.Entry<String, Recipe> entry : recipes.all().entrySet()) {
            card.choice(entry.getKey(), Words.of("recipe." + Recipes.shipped(entry.getKey()).orElse("mine")), bare(entry.getValue()).equals(bare),
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
        return pictures.resolution() == 0 ? Words.of("pictures.jpeg", pictures.quality()) : Words.of("pictures.both", pictures.resolution(),
                pictures.quality());
    }

    void picturesCard(PhraseCard card) {
        card.title(Words.of("card.pictures"));
        Pictures chosen = now().style().pictures();
        for (Pictures one : List.of(Pictures.EXACT, new Pictures(90, 360), new Pictures(82, 220), new Pictures(72, 130), new Pictures(54, 84))) {
            card.choice(one.isExact() ? Words.of("pictures.exact.card") : Words.of("pictures.both", one.resolution(), one.quality()),
                    Words.of(one.isExact() ? "pictures.exact.about" : "pictures." + one.resolution() + ".about"), one.equals(chosen),
                    () -> set.accept(now().with(now().style().with(one))));
        }
        TextField quality = card.number("quality", chosen.quality(), Words.of("card.pictures.quality"));
        TextField colour = card.number("ppi", chosen.resolution(), Words.of("card.pictures.colour"));
        TextField grey = card.number("ppi-grey", chosen.grey(), Words.of("card.pictures.grey"));
        TextField line = card.number("ppi-line", chosen.lineArt(), Words.of("card.pictures.line"));
        card.done(Words.of("card.take"), () -> {
            int[] said = new int[4];
            List<TextField> fields = List.of(quality, colour, grey, line);
            for (int i = 0; i < 4; i++) {
                String text = fields.get(i).getText().trim();
                if (!text.matches("\\d{0,4}") || i == 0 && !text.isEmpty() && Integer.parseInt(text) > 100) return Words.of("card.pictures.wrong");
                said[i] = text.isEmpty() ? 0 : Integer.parseInt(text);
            }
            set.accept(now().with(now().style().with(new Pictures(said[0], said[1], said[2], said[3]))));
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
        card.told(toOpen, text -> Words.of("strength." + PasswordStrength.of(text).name().toLowerCase(Locale.ROOT)));
        TextField toChange = card.secret("owner-password", passwords.toChange(), Words.of("card.lock.change"));
        card.note(Words.of("card.lock.allowed"));
        Set<Protection.Permission> allowed = EnumSet.noneOf(Protection.Permission.class);
        allowed.addAll(now().locking().isOn() ? now().locking().allowed() : EnumSet.of(Protection.Permission.PRINT, Protection.Permission.PRINT_FINE,
                Protection.Permission.COPY, Protection.Permission.READ_ALOUD));
        for (Protection.Permission permission : Protection.Permission.values()) {
            card.toggle(Words.of("allow." + key(permission)), "", allowed.contains(permission), on -> {
                if (on) allowed.add(permission);
                else allowed.remove(permission);
            });
        }
        Protection.Strength[] strength = {now().locking().isOn() ? now().locking().strength() : Protection.Strength.AES_256};
        card.note(Words.of("card.lock.strength"));
        card.oneOf("strength", List.of(Protection.Strength.AES_256, Protection.Strength.AES_128, Protection.Strength.RC4_128, Protection.Strength.RC4_40),
                strength[0], one -> Words.of("lock." + key(one)), one -> Words.of("lock." + key(one) + ".about"), one -> strength[0] = one);
        boolean[] clear = {now().locking().metadataInClear()};
        card.toggle(Words.of("lock.clear"), "", clear[0], on -> clear[0] = on);
        card.done(Words.of("card.lock.done"), () -> {
            if (!toOpen.getText().isEmpty() && toOpen.getText().equals(toChange.getText())) return Words.of("card.lock.same");
            if (toOpen.getText().isEmpty() && allowed.size() == 8) return Words.of("card.lock.nothing");
            if (clear[0] && strength[0].isWeak()) return Words.of("card.lock.clear.wrong");
            passwords = new Recipe.Passwords(toOpen.getText(), toChange.getText());
            set.accept(now().with(new Recipe.Locking(strength[0], allowed, clear[0])));
            return null;
        });
        card.note(Words.of("card.lock.note"));
    }

    String passwordWords() { return now().locking().isOn() && !passwords.toOpen().isEmpty() ? Words.of("lock.opens") : Words.of("lock.none"); }

    /** For office files, which a password opens and nothing else limits. */
    void passwordCard(PhraseCard card) {
        card.title(Words.of("card.password"));
        card.choice(Words.of("lock.none.card"), "", !now().locking().isOn(), () -> {
            passwords = Recipe.Passwords.NONE;
            set.accept(now().with(Recipe.Locking.NONE));
        });
        TextField toOpen = card.secret("open-password", passwords.toOpen(), Words.of("card.password.open"));
        card.told(toOpen, text -> Words.of("strength." + PasswordStrength.of(text).name().toLowerCase(Locale.ROOT)));
        card.done(Words.of("card.lock.done"), () -> {
            if (toOpen.getText().isEmpty()) return Words.of("card.password.none");
            passwords = new Recipe.Passwords(toOpen.getText(), "");
            set.accept(now().with(new Recipe.Locking(Protection.Strength.AES_256, EnumSet.allOf(Protection.Permission.class))));
            return null;
        });
    }

    String openingWords() {
        Opening opening = now().style().opening();
        if (keeps(PdfStyle::opening)) return Words.of("keep.opening");
        String zoom = opening.zoom() == Opening.WHOLE_PAGE ? Words.of("opening.whole") : opening.zoom() == Opening.PAGE_WIDTH ? Words.of("opening.width") : "";
        String panel = Words.of("opening.panel." + key(opening.panel()));
        String where = opening.fullScreen() ? Words.of("opening.full") : opening.page() > 1 ? Words.of("opening.page", opening.page())
                : Words.of("opening.front");
        return where + (zoom.isEmpty() ? "" : ", " + zoom) + (opening.fullScreen() ? "" : " " + panel);
    }

    void openingCard(PhraseCard card) {
        card.title(Words.of("card.opening"));
        Opening[] made = {now().style().opening()};
        for (Opening.Panel panel : List.of(Opening.Panel.BOOKMARKS, Opening.Panel.PAGE_PICTURES, Opening.Panel.NONE)) {
            card.choice(Words.of("opening.choice." + key(panel)), "", made[0].panel() == panel && !made[0].fullScreen(),
                    () -> opening(made[0].with(panel).fullScreen(false)));
        }
        card.choice(Words.of("opening.choice.full"), Words.of("opening.choice.full.about"), made[0].fullScreen(), () -> opening(made[0].fullScreen(true)));
        card.toggle(Words.of("opening.choice.whole"), "", made[0].zoom() == Opening.WHOLE_PAGE, on -> made[0] = made[0].zoom(on ? Opening.WHOLE_PAGE
                : Opening.AS_BEFORE));
        card.toggle(Words.of("opening.choice.spreads"), "", made[0].arrangement() == Opening.Arrangement.SPREADS_FROM_COVER, on -> made[0] =
                made[0].with(on ? Opening.Arrangement.SPREADS_FROM_COVER : Opening.Arrangement.AS_BEFORE));
        card.toggle(Words.of("opening.choice.hidden"), "", made[0].hidden(), on -> made[0] = made[0].hidden(on));
        card.toggle(Words.of("opening.print.both"), Words.of("opening.print.about"), made[0].printing().sides() == Opening.Sides.BOTH_LIKE_A_BOOK,
                on -> made[0] = made[0].with(new Opening.Printing(made[0].printing().copies(), on ? Opening.Sides.BOTH_LIKE_A_BOOK : Opening.Sides.AS_BEFORE,
                made[0].printing().natural())));
        card.toggle(Words.of("opening.print.natural"), "", made[0].printing().natural(), on -> made[0] =
                made[0].with(new Opening.Printing(made[0].printing().copies(), made[0].printing().sides(), on)));
        TextField page = card.field("opening-page", made[0].page() > 0 ? String.valueOf(made[0].page()) : "", Words.of("card.opening.page"));
        card.done(Words.of("card.take"), () -> {
            String text = page.getText().trim();
            int count = now().pages().of(window.desk().pages().get().pages().stream().map(Page::label).toList()).size();
            if (!text.isEmpty() && (!text.matches("\\d{1,5}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > count))
                return Words.of("card.opening.wrong", count);
            opening(made[0].page(text.isEmpty() ? 0 : Integer.parseInt(text)));
            return null;
        });
    }

    private void opening(Opening opening) { set.accept(now().with(now().style().with(opening))); }

    String standardWords() {
        return now().style().standard() == Standard.NONE ? Words.of("standard.none") : Words.of(now().style().standard().isArchive() ? "standard.archive"
                : "standard.everybody", now().style().standard().words());
    }

    void standardCard(PhraseCard card) {
        card.title(Words.of("card.standard"));
        for (Standard standard : List.of(Standard.NONE, Standard.UA_1, Standard.A_2B, Standard.A_2U, Standard.A_2A, Standard.A_2A_UA_1, Standard.A_3B,
                Standard.A_1B, Standard.A_1A)) {
            card.choice(standard == Standard.NONE ? Words.of("standard.none.card") : standard.words(), Words.of("standard." + key(standard) + ".about"),
                    now().style().standard() == standard, () -> set.accept(now().with(now().style().with(standard))));
        }
        card.note(Words.of("card.standard.note"));
    }
}
