package app.decant.publish;

import app.decant.document.Colour;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.format.text.PlainText;
import app.decant.pdf.Dates;
import app.decant.pdf.Opening;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.pdf.lock.Protection;
import app.decant.publish.Recipe.Locking;
import app.decant.sheet.SheetChoice;
import app.decant.words.Message;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Recipes as files: JSON, documented in {@code docs/recipes.md}, with a version of its own. Fields that are left out keep what
 * {@link Recipe#PLAIN} says; what {@link RecipeSchema} does not know is refused by name, so that a slip of the
 * pen never changes a publication silently.
 */
public final class RecipeFile {
    private static final int VERSION = 1;
    private static final ObjectMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION).enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS).build();

    private static final Map<PdfChoices.Fonts, String> FONTS = new EnumMap<>(Map.of(PdfChoices.Fonts.USED_CHARACTERS, "used", PdfChoices.Fonts.WHOLE,
            "whole", PdfChoices.Fonts.STANDARD_LEFT_OUT, "standard-left-out"));

    private RecipeFile() { }

    /** A recipe as it is kept. It holds no passwords. */
    public static String write(Recipe recipe) {
        ObjectNode root = MAPPER.createObjectNode();
        root.put("decantRecipe", VERSION).put("to", recipe.target().ending()).put("pages", recipe.pages().text());
        PdfStyle style = recipe.style();
        if (style.bookmarks().any()) bookmarks(root.putObject("bookmarks"), style.bookmarks());
        else root.put("bookmarks", "none");
        root.put("fonts", FONTS.get(style.fonts()));
        ArrayNode whole = root.putArray("wholeFonts");
        new TreeSet<>(style.wholeFamilies()).forEach(whole::add);
        root.put("restrictedFonts", word(recipe.restricted()));
        root.put("officeFonts", word(recipe.officeFonts()));
        ObjectNode pictures = root.putObject("pictures");
        if (style.pictures().quality() == 0) pictures.put("quality", "exact");
        else pictures.put("quality", style.pictures().quality());
        pictures.put("resolution", style.pictures().resolution()).put("greyResolution", style.pictures().grey()).put("lineResolution", style.pictures()
                .lineArt());
        root.put("compressed", style.compressed()).put("tagged", style.tagged()).put("standard", style.standard() == Standard.NONE ? "none" : style.standard()
                .words()).put("version", style.version()).put("linearized", style.linearized())
                .put("fillable", style.fillable()).put("incremental", style.incremental());
        Opening opening = style.opening();
        root.putObject("opening").put("page", opening.page()).put("zoom", zoom(opening.zoom())).put("arrangement", word(opening.arrangement()))
                .put("panel", word(opening.panel()))
                .put("fullScreen", opening.fullScreen()).put("hidden", opening.hidden()).put("titled", opening.titled())
                .putObject("printing").put("copies", opening.printing().copies()).put("sides", word(opening.printing().sides()))
                        .put("natural", opening.printing().natural());
        ObjectNode locking = root.putObject("locking").put("strength", word(recipe.locking().strength())).put("metadataInClear", recipe.locking()
                .metadataInClear());
        ArrayNode allow = locking.putArray("allow");
        for (Protection.Permission permission : recipe.locking().allowed()) allow.add(word(permission));
        ArrayNode laid = root.putArray("laid");
        for (Laid one : recipe.laid()) {
            laid.addObject().put(one.file() ? "file" : "words", one.what()).put("under", one.under()).put("pages", one.pages().text())
                    .put("angle", one.angle()).put("opacity", one.opacity()).put("share", one.share()).put("place", word(one.place()));
        }
        FactsRule facts = recipe.facts();
        ObjectNode said = root.putObject("facts").put("strip", facts.stripped());
        put(said, "title", facts.title());
        put(said, "subject", facts.subject());
        put(said, "author", facts.author());
        put(said, "keywords", facts.keywords());
        put(said, "language", facts.language());
        said.put("dates", word(facts.dates()));
        ObjectNode own = said.putObject("own");
        facts.own().forEach(own::put);
        root.putObject("text").put("encoding", recipe.text().letters().name()).put("mark", recipe.text().mark())
                .put("lineEnds", word(recipe.text().lineEnds())).put("width", recipe.text().width());
        put(root, "split", recipe.split());
        root.put("attachSource", recipe.attachSource()).put("links", word(recipe.links())).put("remake", recipe.remake())
                .put("changes", word(recipe.changes()))                .put("present", word(recipe.present()));
        SheetChoice chosen = recipe.sheets();
        ObjectNode sheets = root.putObject("sheets").put("everything", chosen.everything()).put("fit", chosen.fit().word());
        ArrayNode names = sheets.putArray("names");
        chosen.sheets().forEach(names::add);
        ArrayNode areas = sheets.putArray("areas");
        chosen.areas().forEach(areas::add);
        ArrayNode addresses = root.putArray("addresses");
        new TreeSet<>(recipe.addresses()).forEach(addresses::add);
        try {
            return MAPPER.writeValueAsString(root) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void bookmarks(ObjectNode node, PdfChoices.Bookmarks marks) {
        node.put("from", marks.from()).put("to", marks.to()).put("open", marks.open()).put("places", marks.places()).put("bold", marks.bold())
                .put("anew", marks.anew());
        ArrayNode colours = node.putArray("colours");
        for (Colour colour : marks.colours()) colours.add(String.format(Locale.ROOT, "#%06x", colour.rgb() & 0xFFFFFF));
        ObjectNode titles = node.putObject("titles");
        new TreeMap<>(marks.titles()).forEach(titles::put);
    }

    private static void put(ObjectNode node, String field, String value) { if (value != null) node.put(field, value); }

    private static String word(Enum<?> value) { return value.name().toLowerCase(Locale.ROOT).replace('_', '-'); }

    private static String zoom(double zoom) {
        return zoom == Opening.WHOLE_PAGE ? "whole-page" : zoom == Opening.PAGE_WIDTH ? "page-width" : zoom == Opening.AS_BEFORE ? "as-before"
                : String.valueOf(zoom);
    }

    /**
     * Reads a recipe.
     *
     * @param name what people call the file, for sentences
     * @throws DecantException where it is no recipe, or says something that is not known
     */
    public static Recipe read(String json, String name) {
        JsonNode root;
        try {
            root = MAPPER.readTree(json);
        } catch (JsonProcessingException e) {
            String line = e.getLocation() == null ? "" : ", line " + e.getLocation().getLineNr();
            String doubled = String.valueOf(e.getOriginalMessage()).startsWith("Duplicate field") ? "; a field is there twice" : "";
            throw new DecantException(Kind.UNREADABLE, Message.of("publish.is-no-recipe-it-is-not-written", name, line, doubled), e);
        }
        if (root == null || !root.isObject() || !root.has("decantRecipe"))
            throw new DecantException(Kind.UNREADABLE, Message.of("publish.is-no-recipe-it-lacks-the-field", name));
        if (root.get("decantRecipe").isNumber() && root.get("decantRecipe").asDouble() != VERSION)
            throw new DecantException(Kind.UNSUPPORTED,
                    Message.of("publish.is-a-recipe-of-version-this-decant", name, root.get("decantRecipe").asText(), VERSION));
        return new Reading(name).recipe(root);
    }

    /**
     * A recipe with one field changed, named as in its file.
     *
     * @param field such as {@code opening.zoom} or {@code bookmarks.titles.Luggage}
     * @param value as JSON, or a word
     * @throws DecantException where the field is not known or can't be that
     */
    public static Recipe with(Recipe recipe, String field, String value) {
        try {
            ObjectNode root = (ObjectNode) MAPPER.readTree(write(recipe));
            ObjectNode node = root;
            String[] path = field.split("\\.", 3);
            for (int i = 0; i + 1 < path.length; i++) node = node.get(path[i]) instanceof ObjectNode inner ? inner : node.putObject(path[i]);
            JsonNode said;
            try {
                said = MAPPER.readTree(value);
            } catch (JsonProcessingException e) {
                said = null;
            }
            node.set(path[path.length - 1], said == null || said.isMissingNode() ? MAPPER.getNodeFactory().textNode(value) : said);
            return new Reading("--set").recipe(root);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Reads one file, remembering its name for sentences. */
    private record Reading(String name) {
        Recipe recipe(JsonNode root) {
            RecipeSchema.refuse(root, name);
            Recipe plain = Recipe.PLAIN;
            Target target = Target.of(root.path("to").asText(plain.target().ending()));
            PdfStyle style = new PdfStyle(bookmarks(root.path("bookmarks")), root.has("fonts") ? fonts(root.get("fonts").asText()) : plain.style().fonts(),
                    Set.copyOf(texts(root.path("wholeFonts"))), pictures(root.path("pictures")), flag(root, "compressed", true),
                    opening(root.path("opening")), flag(root, "tagged", true), standard(root.path("standard").asText("none")), root.path("version")
                            .asDouble(0), flag(root, "linearized", false), flag(root, "fillable", false), flag(root, "incremental", false));
            return new Recipe(target, new PageRange(root.path("pages").asText("all")), style, locking(root.path("locking")), laid(root.path("laid")),
                    facts(root.path("facts")),
                    root.hasNonNull("split") ? root.get("split").asText() : null, flag(root, "attachSource", false), choice(Recipe.Links.class, root,
                            "links", plain.links()), Set.copyOf(texts(root.path("addresses"))),
                    choice(Recipe.Restricted.class, root, "restrictedFonts", plain.restricted()), choice(Recipe.OfficeFonts.class, root, "officeFonts",
                            plain.officeFonts()), plainText(root.path("text")), flag(root, "remake", false),
                    choice(Recipe.Changes.class, root, "changes", plain.changes()), sheets(root.path("sheets")),
                    choice(Recipe.WhenPresent.class, root, "present", plain.present()));
        }

        private SheetChoice sheets(JsonNode node) {
            String fit = node.path("fit").asText(SheetChoice.Fit.AS_SET_UP.word());
            return new SheetChoice(texts(node.path("names")), texts(node.path("areas")), flag(node, "everything", false), SheetChoice.Fit.of(fit));
        }

        private DecantException wrong(String field, String value) {
            return new DecantException(Kind.WRONG_CALL, Message.of("publish.is-nothing-that-can", name, value, field));
        }

        private boolean flag(JsonNode node, String field, boolean otherwise) {
            JsonNode value = node.path(field);
            return value.asBoolean(otherwise);
        }

        private <T extends Enum<T>> T choice(Class<T> kind, JsonNode node, String field, T otherwise) {
            if (!node.has(field)) return otherwise;
            return value(kind, field, node.get(field).asText());
        }

        private <T extends Enum<T>> T value(Class<T> kind, String field, String text) {
            for (T one : kind.getEnumConstants()) if (word(one).equals(text)) return one;
            throw wrong(field, text);
        }

        private PdfChoices.Bookmarks bookmarks(JsonNode node) {
            if (node.isMissingNode()) return Recipe.PLAIN.style().bookmarks();
            if (node.isTextual()) return PdfChoices.Bookmarks.NONE;
            int from = node.path("from").asInt(1);
            int to = node.path("to").asInt(from == 0 ? 0 : Math.max(3, from));
            boolean places = flag(node, "places", false);
            if (from < 0 || from == 0 && !places || to < from || to > 9) throw wrong("bookmarks", from + " to " + to);
            Map<String, String> titles = new TreeMap<>();
            node.path("titles").fields().forEachRemaining(title -> titles.put(title.getKey(), title.getValue().asText()));
            List<Colour> colours = new ArrayList<>();
            for (String colour : texts(node.path("colours"))) {
                colours.add(new Colour(Integer.parseInt(colour.substring(1), 16)));
            }
            return new PdfChoices.Bookmarks(from, to, node.path("open").asInt(from), places, node.path("bold").asInt(0), colours, titles,
                    flag(node, "anew", false));
        }

        private PdfChoices.Fonts fonts(String text) {
            return FONTS.entrySet().stream().filter(one -> one.getValue().equals(text)).findFirst().orElseThrow(() -> wrong("fonts", text)).getKey();
        }

        private Pictures pictures(JsonNode node) {
            return new Pictures(node.path("quality").asInt(0), node.path("resolution").asInt(0), node.path("greyResolution").asInt(0),
                    node.path("lineResolution").asInt(0));
        }

        private Standard standard(String text) {
            return Standard.named(text);
        }

        private Opening opening(JsonNode node) {
            String zoom = node.path("zoom").asText("as-before");
            double value = switch (zoom) {
                case "as-before" -> Opening.AS_BEFORE;
                case "whole-page" -> Opening.WHOLE_PAGE;
                case "page-width" -> Opening.PAGE_WIDTH;
                default -> number("opening.zoom", zoom);
            };
            return new Opening(node.path("page").asInt(0), value, choice(Opening.Arrangement.class, node, "arrangement", Opening.Arrangement.AS_BEFORE),
                    choice(Opening.Panel.class, node, "panel", Opening.Panel.BOOKMARKS),
                    flag(node, "fullScreen", false), flag(node, "hidden", false), flag(node, "titled", true), printing(node.path("printing")));
        }

        private Opening.Printing printing(JsonNode node) {
            return new Opening.Printing(node.path("copies").asInt(0), choice(Opening.Sides.class, node, "sides", Opening.Sides.AS_BEFORE),
                    flag(node, "natural", false));
        }

        private static List<String> texts(JsonNode nodes) {
            List<String> texts = new ArrayList<>();
            for (JsonNode node : nodes) texts.add(node.asText());
            return texts;
        }

        private double number(String field, String text) {
            double value = Double.parseDouble(text);
            if (value > 0 && value <= 64) return value;
            throw wrong(field, text);
        }

        private Locking locking(JsonNode node) {
            Set<Protection.Permission> allowed = EnumSet.noneOf(Protection.Permission.class);
            if (node.has("allow")) for (JsonNode one : node.get("allow")) allowed.add(value(Protection.Permission.class, "locking.allow", one.asText()));
            else allowed.addAll(EnumSet.allOf(Protection.Permission.class));
            return new Locking(choice(Protection.Strength.class, node, "strength", Protection.Strength.NONE), allowed, flag(node, "metadataInClear", false));
        }

        private PlainText plainText(JsonNode node) {
            String encoding = node.path("encoding").asText("UTF-8");
            try {
                Charset letters = Charset.forName(encoding);
                if (letters.canEncode()) return new PlainText(letters, flag(node, "mark", false), choice(PlainText.LineEnds.class, node, "lineEnds",
                        PlainText.LineEnds.LF), node.path("width").asInt(0));
            } catch (IllegalArgumentException e) {
                throw new DecantException(Kind.WRONG_CALL, Message.of("publish.is-no-encoding-that-is-known-here", name, encoding), e);
            }
            throw wrong("text.encoding", encoding);
        }

        private List<Laid> laid(JsonNode nodes) {
            List<Laid> laid = new ArrayList<>();
            for (JsonNode node : nodes) {
                    laid.add(new Laid(node.path(node.has("file") ? "file" : "words").asText(), node.has("file"), flag(node, "under", true),
                            new PageRange(node.path("pages").asText("all")), node.path("angle").asDouble(0),
                        node.path("opacity").asDouble(1), node.path("share").asDouble(0), choice(Overlay.Place.class, node, "place", Overlay.Place.MIDDLE)));
            }
            return laid;
        }

        private FactsRule facts(JsonNode node) {
            Map<String, String> own = new TreeMap<>();
            node.path("own").fields().forEachRemaining(field -> own.put(field.getKey(), field.getValue().asText()));
            return new FactsRule(flag(node, "strip", false), text(node, "title"), text(node, "subject"), text(node, "author"), text(node, "keywords"),
                    text(node, "language"), choice(Dates.class, node, "dates", Dates.OF_THE_FILE), own);
        }

        private static String text(JsonNode node, String field) { return node.hasNonNull(field) ? node.get(field).asText() : null; }
    }
}
