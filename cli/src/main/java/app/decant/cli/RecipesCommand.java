package app.decant.cli;

import app.decant.publish.Recipe;
import app.decant.publish.RecipeFile;
import app.decant.publish.Recipes;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.io.PrintWriter;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Lists the recipes at hand. */
@Command(name = "recipes", mixinStandardHelpOptions = true)
final class RecipesCommand implements Callable<Integer> {
    @Option(names = "--json")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() throws JsonProcessingException {
        PrintWriter out = spec.commandLine().getOut();
        ArrayNode list = Json.array();
        for (Map.Entry<String, Recipe> recipe : new Recipes(RecipeOptions.recipesFolder()).all().entrySet()) {
            if (json) list.addObject().put("name", recipe.getKey()).set("recipe", new ObjectMapper().readTree(RecipeFile.write(recipe.getValue())));
            else if (Recipes.shipped(recipe.getKey()).isPresent()) out.println(recipe.getKey());
            else out.println(Words.of("recipes.kept", recipe.getKey(), RecipeOptions.recipesFolder()));
        }
        if (json) out.println(Json.text(list));
        return Main.DONE;
    }
}
