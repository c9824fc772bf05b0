package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion.VersionFlag;
import com.networknt.schema.ValidationMessage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.TreeSet;

/** Holds recipes to {@code recipe.schema.json}, which ships and documents what they can say (JSON Schema, draft 2020-12). */
final class RecipeSchema {
    private RecipeSchema() { }

    /** Read when the first recipe is, since most publications have none. */
    private static final class Loaded {
        static final JsonSchema SCHEMA = load();

        private static JsonSchema load() {
            try (InputStream in = Objects.requireNonNull(RecipeSchema.class.getResourceAsStream("recipe.schema.json"))) {
                ObjectNode schema = (ObjectNode) new ObjectMapper().readTree(in);
                // What can be made is known by the formats alone.
                ArrayNode targets = ((ObjectNode) schema.at("/properties/to")).putArray("enum");
                for (Target target : Target.values()) targets.add(target.ending());
                for (Target target : Target.sheets()) targets.add(target.ending());
                return JsonSchemaFactory.getInstance(VersionFlag.V202012).getSchema(schema);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /**
     * Refuses what is no recipe.
     *
     * @param name what people call the file, for sentences
     * @throws DecantException with a sentence that names the field
     */
    static void refuse(JsonNode recipe, String name) {
        List<ValidationMessage> messages = new ArrayList<>(Loaded.SCHEMA.validate(recipe));
        if (messages.isEmpty()) return;
        // What lies deepest says most: of the ways in which a choice could have been meant, the one that came nearest.
        messages.sort(Comparator.comparingInt((ValidationMessage message) -> -message.getInstanceLocation().getNameCount())
                .thenComparing(message -> field(message)));
        throw new DecantException(Kind.WRONG_CALL, sentence(messages.get(0), name));
    }

    private static Message sentence(ValidationMessage message, String name) {
        String field = field(message);
        JsonNode value = message.getInstanceNode();
        return switch (message.getType()) {
            case "additionalProperties" -> Message.of("recipe.unknown-field", name, (field.isEmpty() ? "" : field + ".") + message.getProperty(),
                    String.join(", ", known(message)));
            case "oneOf", "required" -> field.isEmpty() ? Message.of("recipe.lacks-field", name, message.getProperty()) : Message.of("recipe.laid", name);
            default -> Message.of("publish.is-nothing-that-can", name, value != null && value.isTextual() ? value.asText() : value, field);
        };
    }

    private static TreeSet<String> known(ValidationMessage message) {
        TreeSet<String> names = new TreeSet<>();
        JsonNode schema = Loaded.SCHEMA.getSchemaNode();
        for (int i = 0; i < message.getInstanceLocation().getNameCount(); i++) {
            Object step = message.getInstanceLocation().getElement(i);
            schema = step instanceof Integer ? schema.path("items") : schema.path("properties").path(step.toString());
            if (schema.has("anyOf")) schema = schema.path("anyOf").path(1);
        }
        schema.path("properties").fieldNames().forEachRemaining(names::add);
        return names;
    }

    /** Where in the recipe, such as {@code opening.zoom}; places in lists are left out. */
    private static String field(ValidationMessage message) {
        StringBuilder field = new StringBuilder();
        for (int i = 0; i < message.getInstanceLocation().getNameCount(); i++) {
            Object step = message.getInstanceLocation().getElement(i);
            if (!(step instanceof Integer)) field.append(field.isEmpty() ? "" : ".").append(step);
        }
        return field.toString();
    }
}
