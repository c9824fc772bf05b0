package app.decant.desktop.publish;

import app.decant.desktop.part.PhraseCard;
import app.decant.desktop.part.Words;
import app.decant.desktop.work.Desk;
import app.decant.document.DecantException;
import app.decant.publish.Recipe;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetChoice.Fit;
import app.decant.sheet.SheetChoice;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.control.TextField;

/** How the sheets of a workbook go onto pages: which of them, which cells, and how they are made to fit. */
final class SheetsCard {
    private final Desk desk;
    private final Supplier<Recipe> recipe;
    private final Consumer<Recipe> changed;

    SheetsCard(Desk desk, Supplier<Recipe> recipe, Consumer<Recipe> changed) {
        this.desk = desk;
        this.recipe = recipe;
        this.changed = changed;
    }

    private SheetChoice choice() { return recipe.get().sheets(); }

    String words() {
        SheetChoice choice = choice();
        String what = !choice.areas().isEmpty() ? String.join(", ", choice.areas()) : choice.sheets().isEmpty() ? Words.of("sheets.all")
                : String.join(", ", choice.sheets());
        return Words.of("sheets.words", what, fit(choice.fit()));
    }

    private static String fit(Fit fit) {
        if (fit.equals(Fit.AS_SET_UP)) return Words.of("sheets.as.set.up");
        if (fit.equals(Fit.ONE_WIDE)) return Words.of("sheets.one.wide");
        return fit.equals(Fit.ONE_PAGE) ? Words.of("sheets.one.page") : Words.of("sheets.fit", fit.word());
    }

    void card(PhraseCard card) {
        card.title(Words.of("sheets.title"));
        for (Fit fit : List.of(Fit.AS_SET_UP, Fit.ONE_WIDE, Fit.ONE_PAGE))
            card.choice(fit(fit), "", choice().fit().equals(fit), () -> choose(new SheetChoice(choice().sheets(), choice().areas(), choice().everything(),
                    fit)));
        List<String> names = desk.session().workbook().sheets().stream().filter(sheet -> !sheet.hidden()).map(Sheet::name).toList();
        if (names.size() > 1) {
            for (String name : names) {
                boolean on = choice().sheets().isEmpty() || choice().sheets().contains(name);
                card.toggle(name, "", on, wanted -> only(names, name, wanted));
            }
        }
        TextField area = card.field("sheets-area", String.join(", ", choice().areas()), Words.of("sheets.area"));
        card.accept(area, text -> {
            List<String> areas = new ArrayList<>();
            for (String one : text.split(",")) if (!one.isBlank()) areas.add(one.strip());
            SheetChoice wanted = new SheetChoice(choice().sheets(), areas, choice().everything(), choice().fit());
            try {
                wanted.check(desk.session().workbook());
            } catch (DecantException e) {
                return e.getMessage();
            }
            choose(wanted);
            return null;
        });
    }

    private void only(List<String> names, String name, boolean wanted) {
        List<String> chosen = new ArrayList<>(choice().sheets().isEmpty() ? names : choice().sheets());
        if (wanted && !chosen.contains(name)) chosen.add(name);
        if (!wanted) chosen.remove(name);
        List<String> ordered = names.stream().filter(chosen::contains).toList();
        if (!ordered.isEmpty())
            choose(new SheetChoice(ordered.size() == names.size() ? List.of() : ordered, choice().areas(), choice().everything(), choice().fit()));
    }

    /** Pages are made aside; then the sentence says so. */
    private void choose(SheetChoice wanted) {
        Recipe made = recipe.get().with(wanted);
        desk.aside(() -> {
            desk.session().published(made);
            Platform.runLater(() -> changed.accept(recipe.get().with(wanted)));
        });
    }
}
