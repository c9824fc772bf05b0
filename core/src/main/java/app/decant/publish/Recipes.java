package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;

/** The recipes at hand by name: those that ship with Decant, from finest to smallest and for special readers, and those kept in a folder. */
public final class Recipes {
    /** By what they are called in all languages, which scripts may say as well. */
    private static final Map<String, Recipe> SHIPPED = shipped();

    private final Path folder;

    /** @param folder where recipes are kept, one file each; need not be there yet */
    public Recipes(Path folder) { this.folder = folder; }

    private static Map<String, Recipe> shipped() {
        Map<String, Recipe> recipes = new LinkedHashMap<>();
        PdfStyle plain = PdfStyle.PLAIN;
        recipes.put("finest", Recipe.PLAIN.with(plain.with(PdfChoices.Fonts.WHOLE)));
        recipes.put("as-it-is", Recipe.PLAIN);
        recipes.put("print-room", Recipe.PLAIN.with(plain.with(new Pictures(90, 360))));
        recipes.put("office-printer", Recipe.PLAIN.with(plain.with(new Pictures(82, 220))));
        recipes.put("mail", Recipe.PLAIN.with(plain.with(new Pictures(72, 130))));
        recipes.put("slow-line", Recipe.PLAIN.with(plain.with(new Pictures(54, 84))));
        recipes.put("keep-for-good", Recipe.PLAIN.with(plain.with(Standard.A_2B)));
        recipes.put("everybody", Recipe.PLAIN.with(plain.with(Standard.UA_1)));
        return recipes;
    }

    /** The names of all recipes, shipped ones first. */
    public List<String> names() { return List.copyOf(all().keySet()); }

    /** All recipes by name. */
    public Map<String, Recipe> all() {
        Map<String, Recipe> all = new LinkedHashMap<>();
        SHIPPED.forEach((key, recipe) -> all.put(name(key), recipe));
        if (!Files.isDirectory(folder)) return all;
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(one -> one.toString().endsWith(".json")).sorted().toList())
                kept(file).ifPresent(recipe -> all.put(nameOf(file), recipe));
        } catch (IOException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("publish.the-recipes-in-cannot-be-read-look", folder), e);
        }
        return all;
    }

    /** One that is damaged hides no other; whoever asks for it by name is told. */
    private static Optional<Recipe> kept(Path file) {
        try {
            return Optional.of(read(file));
        } catch (DecantException e) {
            LoggerFactory.getLogger(Recipes.class).warn("{}", e.getMessage(), e);
            return Optional.empty();
        }
    }

    private static String name(String key) { return Message.of("recipe." + key).toString(); }

    /** The key of the recipe that ships with Decant under a name, the same in all languages. */
    public static Optional<String> shipped(String name) { return SHIPPED.keySet().stream().filter(key -> name(key).equalsIgnoreCase(name)).findFirst(); }

    /**
     * The recipe of a name, or in a file.
     *
     * @throws DecantException where there is none
     */
    public Recipe find(String nameOrFile) {
        for (Map.Entry<String, Recipe> entry : all().entrySet()) if (entry.getKey().equalsIgnoreCase(nameOrFile)) return entry.getValue();
        if (SHIPPED.containsKey(nameOrFile)) return SHIPPED.get(nameOrFile);
        Path kept = folder.resolve(nameOrFile + ".json");
        if (!nameOrFile.contains("/") && Files.isRegularFile(kept)) return read(kept);
        Path file = Path.of(nameOrFile);
        if (Files.isRegularFile(file)) return read(file);
        throw new DecantException(Kind.WRONG_CALL, Message.of("publish.there-is-no-recipe-and-no-such", nameOrFile, String.join(", ", names())));
    }

    /** Keeps a recipe under a name. */
    public void keep(String name, Recipe recipe) {
        String wanted = name.trim();
        if (wanted.isEmpty() || wanted.matches(".*[/\\\\:].*") || wanted.startsWith("."))
            throw new DecantException(Kind.WRONG_CALL, Message.of("publish.cannot-be-the-name-of-a-recipe", name));
        if (shipped(wanted).isPresent()) throw new DecantException(Kind.WRONG_CALL, Message.of("publish.ships-with-decant-and-stays", wanted));
        byte[] bytes = RecipeFile.write(recipe).getBytes(StandardCharsets.UTF_8);
        SafeFile.write(folder.resolve(wanted + ".json"), Recipe.WhenPresent.REPLACE, Guard.OWN, out -> out.write(bytes),
                file -> RecipeFile.read(Files.readString(file), wanted));
    }

    /** Forgets a kept recipe. */
    public void forget(String name) {
        try {
            Files.deleteIfExists(folder.resolve(name + ".json"));
        } catch (IOException e) {
            throw new DecantException(Kind.TARGET_LOCKED, Message.of("publish.the-recipe-cannot-be-removed", name, folder), e);
        }
    }

    private static Recipe read(Path file) {
        try {
            return RecipeFile.read(Files.readString(file), String.valueOf(file.getFileName()));
        } catch (IOException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("publish.cannot-be-read-as-a-recipe", file.getFileName()), e);
        }
    }

    private static String nameOf(Path file) {
        String name = file.getFileName().toString();
        return name.substring(0, name.length() - 5);
    }
}
