package app.decant.desktop.publish;

import app.decant.desktop.station.Window;
import app.decant.desktop.work.Session;
import app.decant.pdf.PdfStyle;
import app.decant.publish.Recipe;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;

/** Cards that change a recipe: what they look at, and whom they tell. */
public abstract class RecipeCards {
    final Window window;
    final Consumer<Recipe> set;
    private final Supplier<Recipe> recipe;

    RecipeCards(Window window, Supplier<Recipe> recipe, Consumer<Recipe> set) {
        this.window = window;
        this.recipe = recipe;
        this.set = set;
    }

    /** The recipe as it is now. */
    final Recipe now() { return recipe.get(); }

    /** How a choice is called in the file of words. */
    static String key(Enum<?> value) { return value.name().toLowerCase(Locale.ROOT); }

    /** Whether a choice is about a PDF whose pages are kept, and is left as every recipe has it: then the file's own stays. */
    boolean keeps(Function<PdfStyle, Object> choice) {
        Session.Source source = window.desk().source().get();
        return source != null && source.isPdf() && now().keepsPages() && choice.apply(now().style()).equals(choice.apply(PdfStyle.PLAIN));
    }
}
