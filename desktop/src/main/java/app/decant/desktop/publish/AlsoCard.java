package app.decant.desktop.publish;

import app.decant.Decant;
import app.decant.desktop.part.PhraseCard;
import app.decant.desktop.part.Words;
import app.decant.publish.Recipe;
import app.decant.publish.Recipes;
import app.decant.publish.Target;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;

/** What else is made in the same go: other formats, or PDFs by other recipes. */
public final class AlsoCard {
    private final Supplier<Recipe> recipe;
    private final Runnable changed;
    private final Recipes recipes = new Recipes(Decant.home().resolve("recipes"));
    private final Set<String> chosen = new LinkedHashSet<>();

    AlsoCard(Supplier<Recipe> recipe, Runnable changed) {
        this.recipe = recipe;
        this.changed = changed;
    }

    /** Another document is published by itself until somebody wishes otherwise. */
    void forget() { chosen.clear(); }

    String words() {
        List<String> names = names();
        return names.isEmpty() ? Words.of("also.nothing") : String.join(", ", names.stream().map(AlsoCard::shown).toList());
    }

    private static String shown(String name) { return Target.of(name) != null ? Target.of(name).words() : Words.of("also.recipe", name); }

    /** The chosen ones that make sense beside the main one. */
    private List<String> names() { return chosen.stream().filter(name -> Target.of(name) != recipe.get().target() || Target.of(name) == null).toList(); }

    void card(PhraseCard card) {
        card.title(Words.of("card.also"));
        Set<String> ticked = new LinkedHashSet<>(chosen);
        for (Target target : Target.values()) if (target != recipe.get().target()) tick(card, target.ending(), Words.of("target." + target.ending()), ticked);
        for (String name : recipes.names()) tick(card, name, Words.of("also.recipe.card", name), ticked);
        card.done(Words.of("card.take"), () -> {
            chosen.clear();
            chosen.addAll(ticked);
            changed.run();
            return null;
        });
        card.note(Words.of("card.also.note"));
    }

    private static void tick(PhraseCard card, String name, String words, Set<String> ticked) {
        card.toggle(words, "", ticked.contains(name), on -> {
            if (on) ticked.add(name);
            else ticked.remove(name);
        });
    }

    /** All recipes of the publication, the main one first, each with what it is called. */
    List<Map.Entry<String, Recipe>> all(Recipe main) {
        List<Map.Entry<String, Recipe>> all = new ArrayList<>(List.of(Map.entry("", main.as(main.target()))));
        for (String name : names()) {
            Target format = Target.of(name);
            all.add(Map.entry(name, format != null ? main.as(format) : recipes.find(name).of(main.pages()).with(main.present())));
        }
        return all;
    }
}
