package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** One of several things made from a document in one go. */
public record Output(Order order, Path file) {
    /**
     * Looks, before the first of several outputs is written, whether all can be.
     *
     * @throws DecantException where two would have one name, or a name is taken and must not be replaced
     */
    public static void refuseClashes(List<Output> outputs) {
        Set<String> names = new HashSet<>();
        Instant now = Instant.now();
        for (Output output : outputs) {
            Contradictions.refuse(output.order);
            for (Path file : Publisher.names(output.order, output.file, now)) {
                String name = file.toAbsolutePath().normalize().toString().toLowerCase(Locale.ROOT);
                if (!names.add(name)) throw new DecantException(Kind.WRONG_CALL, Message.of("publish.two-of-the-files-would-have", file.getFileName()));
                SafeFile.place(file, output.order.recipe().present(), output.order.guard());
            }
        }
    }

    /**
     * The names of several outputs: the first as wished, others by their ending, or, where that is taken, by what they are.
     *
     * @param wished the name of the first
     * @param recipes of all, with what each is called
     */
    public static List<Path> names(Path wished, List<Map.Entry<String, Recipe>> recipes) {
        List<Path> files = new ArrayList<>(List.of(wished));
        String base = SafeFile.withoutEnding(wished.getFileName().toString());
        for (int i = 1; i < recipes.size(); i++) {
            String ending = "." + recipes.get(i).getValue().target().ending();
            Path plain = wished.resolveSibling(base + ending);
            files.add(files.contains(plain) ? wished.resolveSibling(base + " (" + recipes.get(i).getKey() + ")" + ending) : plain);
        }
        return files;
    }
}
