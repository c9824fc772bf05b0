package app.decant.cli;

import app.decant.Decant;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.pdf.lock.Protection;
import app.decant.publish.FactsRule;
import app.decant.publish.Laid;
import app.decant.publish.PageRange;
import app.decant.publish.Recipe;
import app.decant.publish.RecipeFile;
import app.decant.publish.Recipes;
import app.decant.publish.Target;
import app.decant.sheet.SheetChoice;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import picocli.CommandLine.Option;

/** The options that make a recipe: one kept under a name or in a file, changed by what else is said. */
final class RecipeOptions {
    @Option(names = "--recipe", paramLabel = "FILE|NAME")
    private String recipe;

    /** Every format that is written, by its ending. */
    static final class Targets extends ArrayList<String> {
        Targets() { super(Stream.concat(Target.values().stream(), Target.sheets().stream()).map(Target::ending).toList()); }
    }

    @Option(names = "--to", paramLabel = "FORMAT", completionCandidates = Targets.class)
    private String to;

    @Option(names = "--pages", paramLabel = "RANGE")
    private String pages;

    @Option(names = "--each", paramLabel = "PATTERN")
    private String each;

    @Option(names = "--bookmarks", paramLabel = "LEVELS")
    private String bookmarks;

    @Option(names = "--bookmarks-anew")
    private boolean bookmarksAnew;

    @Option(names = "--fonts", paramLabel = "used|whole|standard-left-out")
    private String fonts;

    @Option(names = "--office-fonts", paramLabel = "as-they-came|used-characters|whole|none")
    private String officeFonts;
    @Option(names = "--picture-quality", paramLabel = "1-100")
    private Integer quality;

    @Option(names = "--picture-resolution", paramLabel = "PPI")
    private Integer resolution;

    @Option(names = "--standard", paramLabel = "NAME")
    private String standard;

    @Option(names = "--untagged")
    private boolean untagged;

    @Option(names = "--uncompressed")
    private boolean uncompressed;

    @Option(names = "--linearized")
    private boolean linearized;

    @Option(names = "--fillable")
    private boolean fillable;

    @Option(names = "--incremental")
    private boolean incremental;

    @Option(names = "--pdf-version", paramLabel = "1.4-2.0")
    private Double version;

    @Option(names = "--lock", paramLabel = "STRENGTH")
    private String lock;

    @Option(names = "--user-password", paramLabel = "P", arity = "0..1", fallbackValue = Secret.ASK)
    private String userPassword;

    @Option(names = "--user-password-from", paramLabel = "file:PATH|env:NAME")
    private String userPasswordFrom;

    @Option(names = "--owner-password", paramLabel = "P", arity = "0..1", fallbackValue = Secret.ASK)
    private String ownerPassword;

    @Option(names = "--owner-password-from", paramLabel = "file:PATH|env:NAME")
    private String ownerPasswordFrom;

    @Option(names = "--facts-in-clear")
    private boolean factsInClear;
    @Option(names = "--allow", paramLabel = "LIST")
    private String allow;

    @Option(names = "--watermark", paramLabel = "TEXT")
    private String watermark;

    @Option(names = "--letterhead", paramLabel = "PDF")
    private Path letterhead;

    @Option(names = "--attach-source")
    private boolean attachSource;

    @Option(names = "--links", paramLabel = "as-they-are|found|found-and-shown")
    private String links;

    @Option(names = "--title", paramLabel = "TEXT")
    private String title;

    @Option(names = "--author", paramLabel = "TEXT")
    private String author;

    @Option(names = "--subject", paramLabel = "TEXT")
    private String subject;

    @Option(names = "--keywords", paramLabel = "TEXT")
    private String keywords;

    @Option(names = "--language", paramLabel = "CODE")
    private String language;

    @Option(names = "--strip-facts")
    private boolean stripFacts;

    @Option(names = "--stamp", paramLabel = "TEXT")
    private String stamp;

    @Option(names = "--stamp-place", paramLabel = "PLACE")
    private String stampPlace;

    @Option(names = "--restricted-fonts", paramLabel = "stop|replace")
    private String restricted;

    @Option(names = "--set", paramLabel = "FIELD=VALUE")
    private List<String> fields = List.of();

    @Option(names = "--sheets", split = ",", paramLabel = "NAME")
    private List<String> sheets;

    @Option(names = "--area", split = ",", paramLabel = "RANGE")
    private List<String> areas;

    @Option(names = "--fit", paramLabel = "FIT")
    private String fit;

    @Option(names = "--remake")
    private boolean remake;

    @Option(names = "--changes", paramLabel = "automatic|marked|accepted|rejected")
    private String changes;

    @Option(names = "--present", paramLabel = "refuse|replace|keep-both")
    private String present;

    private Recipe.Passwords passwords;

    /** The passwords, asked for once. */
    Recipe.Passwords passwords() {
        if (passwords != null) return passwords;
        String toOpen = Secret.of("--user-password", userPassword, userPasswordFrom);
        String toChange = Secret.of("--owner-password", ownerPassword, ownerPasswordFrom);
        passwords = new Recipe.Passwords(toOpen == null ? "" : toOpen, toChange == null ? "" : toChange);
        return passwords;
    }

    private boolean locks() { return userPassword != null || userPasswordFrom != null || ownerPassword != null || ownerPasswordFrom != null; }

    /**
     * The recipe that the options make.
     *
     * @param named the format that the name of the result tells, or null
     */
    Recipe recipe(Target named) {
        Recipe made = recipe == null ? Recipe.PLAIN : new Recipes(recipesFolder()).find(recipe);
        if (to != null) {
            Target target = Target.of(to);
            if (target == null) throw Words.wrong("option.format", to, Target.values().stream().map(Target::ending).collect(Collectors.joining(", ")));
            made = target == made.target() ? made : made.as(target);
        } else if (recipe == null && named != null) {
            made = made.as(named);
        }
        if (made.target() != Target.PDF) refusePdfOnly(made.target());
        if (pages != null) made = made.of(new PageRange(pages));
        if (each != null) made = made.split(each);
        made = made.with(style(made.style()));
        passwords();
        if (lock != null || allow != null || locks() || factsInClear) made = made.with(locking(made.locking()));
        if (!made.locking().isOn() && (allow != null || factsInClear))
            throw Words.wrong("option.allow-unlocked");
        if (stampPlace != null && stamp == null) throw Words.wrong("option.stamp-place");
        List<Laid> laid = new ArrayList<>(made.laid());
        if (letterhead != null) laid.add(Laid.letterhead(letterhead));
        if (watermark != null) laid.add(Laid.watermark(watermark));
        if (stamp != null) laid.add(Laid.stamp(stamp, stampPlace == null ? Overlay.Place.BOTTOM : value(Overlay.Place.class, "--stamp-place", stampPlace)));
        made = made.with(laid);
        if (officeFonts != null) made = made.with(value(Recipe.OfficeFonts.class, "--office-fonts", officeFonts));
        if (restricted != null) made = made.with(value(Recipe.Restricted.class, "--restricted-fonts", restricted));
        FactsRule facts = made.facts();
        made = made.with(new FactsRule(stripFacts || facts.stripped(), chosen(title, facts.title()), chosen(subject, facts.subject()),
                chosen(author, facts.author()), chosen(keywords, facts.keywords()), chosen(language, facts.language()), facts.dates(), facts.own()));
        if (attachSource) made = made.attaching(true);
        if (links != null) made = made.with(value(Recipe.Links.class, "--links", links));
        for (String field : fields) {
            int equals = field.indexOf('=');
            if (equals < 1) throw Words.wrong("option.set");
            made = RecipeFile.with(made, field.substring(0, equals), field.substring(equals + 1));
        }
        if (remake) made = made.remaking(true);
        if (changes != null) made = made.with(value(Recipe.Changes.class, "--changes", changes));
        made = made.with(sheets(made.sheets()));
        if (present != null) made = made.with(value(Recipe.WhenPresent.class, "--present", present));
        return made;
    }

    private SheetChoice sheets(SheetChoice before) {
        boolean all = areas != null && areas.equals(List.of("all"));
        return new SheetChoice(sheets == null ? before.sheets() : sheets, areas == null ? before.areas() : all ? List.of() : areas,
                all || areas == null && before.everything(), fit == null ? before.fit() : SheetChoice.Fit.of(fit));
    }

    /** What other formats know nothing of is refused by name, even where it says what would be so anyway. */
    private void refusePdfOnly(Target target) {
        Map<String, Object> options = new LinkedHashMap<>();
        options.put("--pages", pages);
        options.put("--each", each);
        options.put("--bookmarks", bookmarks);
        options.put("--bookmarks-anew", bookmarksAnew ? true : null);
        options.put("--fonts", fonts);
        options.put("--picture-quality", quality);
        options.put("--picture-resolution", resolution);
        options.put("--standard", standard);
        options.put("--untagged", untagged ? true : null);
        options.put("--uncompressed", uncompressed ? true : null);
        options.put("--linearized", linearized ? true : null);
        options.put("--fillable", fillable ? true : null);
        options.put("--incremental", incremental ? true : null);
        options.put("--pdf-version", version);
        options.put("--watermark", watermark);
        options.put("--letterhead", letterhead);
        options.put("--stamp", stamp);
        options.put("--attach-source", attachSource ? true : null);
        options.values().removeIf(Objects::isNull);
        if (!options.isEmpty()) throw Words.wrong("option.pdf-only", String.join(", ", options.keySet()), target.ending());
    }

    static Path recipesFolder() { return Decant.home().resolve("recipes"); }

    private PdfStyle style(PdfStyle style) {
        PdfStyle made = style;
        if (bookmarks != null) made = made.with(levels());
        if (bookmarksAnew) made = made.with(made.bookmarks().anew(true));
        if (fonts != null) {
            made = made.with(switch (fonts) {
                case "used" -> PdfChoices.Fonts.USED_CHARACTERS;
                case "whole" -> PdfChoices.Fonts.WHOLE;
                case "standard-left-out" -> PdfChoices.Fonts.STANDARD_LEFT_OUT;
                default -> throw Words.wrong("option.fonts");
            });
        }
        if (quality != null && (quality < 1 || quality > 100)) throw Words.wrong("option.picture-quality");
        if (resolution != null && (resolution < 10 || resolution > 4800)) throw Words.wrong("option.picture-resolution");
        if (quality != null || resolution != null)
            made = made.with(new Pictures(quality == null ? style.pictures().quality() : quality, resolution == null ? style.pictures().resolution()
                    : resolution, style.pictures().grey(), style.pictures().lineArt()));
        if (standard != null) made = made.with(standard());
        if (untagged) made = made.tagged(false);
        if (uncompressed) made = made.compressed(false);
        if (linearized) made = made.linearized(true);
        if (fillable) made = made.fillable(true);
        if (incremental) made = made.incremental(true);
        if (version != null) {
            if (version < 1.4 || version > 2.0) throw Words.wrong("option.version");
            made = made.version(version);
        }
        return made;
    }

    private Standard standard() {
        Standard named = Standard.named(standard);
        if (named != null) return named;
        throw Words.wrong("option.standard", standard, Arrays.stream(Standard.values()).filter(one -> one != Standard.NONE).map(Standard::words)
                .collect(Collectors.joining(", ")));
    }

    private Recipe.Locking locking(Recipe.Locking kept) {
        Protection.Strength strength = lock != null ? value(Protection.Strength.class, "--lock", lock) : kept.isOn() ? kept.strength()
                : Protection.Strength.AES_256;
        Set<Protection.Permission> allowed = EnumSet.noneOf(Protection.Permission.class);
        if (allow == null) allowed.addAll(kept.allowed());
        else if (allow.equalsIgnoreCase("all")) allowed.addAll(EnumSet.allOf(Protection.Permission.class));
        else if (!allow.equalsIgnoreCase("none")) for (String one : allow.split(",")) allowed.add(value(Protection.Permission.class, "--allow", one.trim()));
        return new Recipe.Locking(strength, allowed, factsInClear || kept.metadataInClear());
    }

    private PdfChoices.Bookmarks levels() {
        if (bookmarks.equals("none")) return PdfChoices.Bookmarks.NONE;
        if (!bookmarks.matches("[1-9](-[1-9])?")) throw Words.wrong("option.bookmarks");
        int from = bookmarks.charAt(0) - '0';
        int last = bookmarks.charAt(bookmarks.length() - 1) - '0';
        if (last < from) throw Words.wrong("option.bookmarks.backwards", last, from);
        return new PdfChoices.Bookmarks(from, last, from);
    }

    /** The value that a word stands for. */
    static <T extends Enum<T>> T value(Class<T> kind, String option, String text) {
        for (T one : kind.getEnumConstants()) if (one.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(text.toLowerCase(Locale.ROOT))) return one;
        throw Words.wrong("option.value", text, option, Arrays.stream(kind.getEnumConstants()).map(one -> one.name().toLowerCase(Locale.ROOT).replace('_', '-'))
                .collect(Collectors.joining(", ")));
    }

    private static String chosen(String anew, String kept) { return anew != null ? anew : kept; }

    /** What --also makes beside the recipe itself: a format, or a recipe by its name. */
    static Recipe another(String name, Recipe like) {
        Target format = Target.of(name);
        return format != null ? like.as(format) : new Recipes(recipesFolder()).find(name).with(like.present());
    }
}
