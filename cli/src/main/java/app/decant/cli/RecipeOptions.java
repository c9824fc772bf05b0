package app.decant.cli;

import app.decant.Decant;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
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
import app.decant.words.Message;
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
    @Option(names = "--recipe", paramLabel = "FILE|NAME", description = "start from a recipe; ./decant recipes lists them")
    private String recipe;

    /** Every format that is written, by its ending. */
    static final class Targets extends ArrayList<String> {
        Targets() { super(Stream.concat(Target.values().stream(), Target.sheets().stream()).map(Target::ending).toList()); }
    }

    @Option(names = "--to", paramLabel = "FORMAT", description = "${COMPLETION-CANDIDATES} (default: pdf)", completionCandidates = Targets.class)
    private String to;

    @Option(names = "--pages", paramLabel = "RANGE", description = "all, odd, even, or a list such as 1-3,7,12-")
    private String pages;

    @Option(names = "--each", paramLabel = "PATTERN", description = "one file for each page, named by a pattern of {name} {n} {label} {heading} {title} {date}")
    private String each;

    @Option(names = "--bookmarks", paramLabel = "LEVELS", description = "heading levels for bookmarks, such as 1-3, or none (default: 1-3)")
    private String bookmarks;

    @Option(names = "--fonts", paramLabel = "used|whole|standard-left-out",
            description = "embed the characters used, or whole fonts, or leave out the fourteen every reader has (default: used)")
    private String fonts;

    @Option(names = "--office-fonts", paramLabel = "as-they-came|used-characters|whole|none", description = "fonts that travel in a .docx or .odt")
    private String officeFonts;
    @Option(names = "--picture-quality", paramLabel = "1-100", description = "pictures as JPEG of this quality (default: exactly as they are)")
    private Integer quality;

    @Option(names = "--picture-resolution", paramLabel = "PPI", description = "pictures no finer than this, in pixels an inch")
    private Integer resolution;

    @Option(names = "--standard", paramLabel = "NAME", description = "PDF/A-1b, -1a, -2b, -2u, -2a, -3b, -3a, PDF/UA-1, or none")
    private String standard;

    @Option(names = "--untagged", description = "leave out the structure that screen readers use")
    private boolean untagged;

    @Option(names = "--uncompressed", description = "leave text and objects uncompressed")
    private boolean uncompressed;

    @Option(names = "--linearized", description = "order the file for quick display from the web")
    private boolean linearized;

    @Option(names = "--pdf-version", paramLabel = "1.4-2.0", description = "the version of PDF to write")
    private Double version;

    @Option(names = "--lock", paramLabel = "STRENGTH", description = "aes-256, aes-128, or for old readers only the weak rc4-128 and rc4-40")
    private String lock;

    @Option(names = "--user-password", paramLabel = "P", description = "asked for when the file is opened; typed where it is not given here", arity = "0..1",
            fallbackValue = Secret.ASK)
    private String userPassword;

    @Option(names = "--user-password-from", paramLabel = "file:PATH|env:NAME", description = "read it from a file or the environment")
    private String userPasswordFrom;

    @Option(names = "--owner-password", paramLabel = "P", description = "allows everything (default: one that nobody knows)", arity = "0..1", fallbackValue =
            Secret.ASK)
    private String ownerPassword;

    @Option(names = "--owner-password-from", paramLabel = "file:PATH|env:NAME", description = "read it from a file or the environment")
    private String ownerPasswordFrom;

    @Option(names = "--facts-in-clear", description = "leave what is said about the document readable without a password")
    private boolean factsInClear;
    @Option(names = "--allow", paramLabel = "LIST",
            description = "what is allowed without it: all, none, or of print,print-fine,change,copy,comment,fill-forms,read-aloud,assemble")
    private String allow;

    @Option(names = "--watermark", paramLabel = "TEXT", description = "grey words across every page")
    private String watermark;

    @Option(names = "--letterhead", paramLabel = "PDF", description = "the first page of a PDF under every page")
    private Path letterhead;

    @Option(names = "--attach-source", description = "put the document itself into the PDF")
    private boolean attachSource;

    @Option(names = "--links", paramLabel = "as-they-are|found|found-and-shown",
            description = "whether written-out addresses become links (default: as-they-are)")
    private String links;

    @Option(names = "--title", paramLabel = "TEXT", description = "instead of the document's own")
    private String title;

    @Option(names = "--author", paramLabel = "TEXT", description = "likewise; an empty text leaves it out")
    private String author;

    @Option(names = "--subject", paramLabel = "TEXT", description = "likewise")
    private String subject;

    @Option(names = "--keywords", paramLabel = "TEXT", description = "likewise")
    private String keywords;

    @Option(names = "--language", paramLabel = "CODE", description = "likewise, such as en-GB")
    private String language;

    @Option(names = "--strip-facts", description = "say nothing about the document but what is given here")
    private boolean stripFacts;

    @Option(names = "--stamp", paramLabel = "TEXT",
            description = "words in the margin of every page; {page} {pages} {label} {title} {date} stand for what they say")
    private String stamp;

    @Option(names = "--stamp-place", paramLabel = "PLACE", description = "top, top-left, top-right, bottom, bottom-left or bottom-right (default: bottom)")
    private String stampPlace;

    @Option(names = "--restricted-fonts", paramLabel = "stop|replace", description = "what becomes of fonts that may not be put into files (default: stop)")
    private String restricted;

    @Option(names = "--set", paramLabel = "FIELD=VALUE", description = "any field of the recipe, such as opening.zoom=page-width; docs/recipes.md has them all")
    private List<String> fields = List.of();

    @Option(names = "--sheets", split = ",", paramLabel = "NAME", description = "sheets of a workbook, in this order (default: all that are not hidden)")
    private List<String> sheets;

    @Option(names = "--area", split = ",", paramLabel = "RANGE", description = "ranges such as Fares!B2:G40, or defined names; all for everything that is used")
    private List<String> areas;

    @Option(names = "--fit", paramLabel = "FIT", description = "one-wide, one-page, as-set-up, 2x3 pages (- for as many as it takes) or 80%%")
    private String fit;

    @Option(names = "--remake", description = "set the pages of a PDF anew from its text, instead of keeping them as they are")
    private boolean remake;

    @Option(names = "--changes", paramLabel = "automatic|marked|accepted|rejected",
            description = "tracked changes: kept where the format can and else accepted (automatic), shown with marks, accepted or rejected")
    private String changes;

    @Option(names = "--present", paramLabel = "refuse|replace|keep-both", description = "when the file is already there (default: refuse)")
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
            if (target == null) throw wrong("“" + to + "” is no format this version writes. Choose one of " + Target.values().stream()
                    .map(Target::ending).collect(Collectors.joining(", ")) + ".");
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
            throw wrong("--allow and --facts-in-clear say how a file is locked, but it is not to be. Choose a strength with --lock, or leave them out.");
        if (stampPlace != null && stamp == null) throw wrong("--stamp-place says where a stamp stands, but there is none. Give --stamp TEXT.");
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
            if (equals < 1) throw wrong("--set takes FIELD=VALUE, such as opening.zoom=page-width.");
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
        options.put("--fonts", fonts);
        options.put("--picture-quality", quality);
        options.put("--picture-resolution", resolution);
        options.put("--standard", standard);
        options.put("--untagged", untagged ? true : null);
        options.put("--uncompressed", uncompressed ? true : null);
        options.put("--linearized", linearized ? true : null);
        options.put("--pdf-version", version);
        options.put("--watermark", watermark);
        options.put("--letterhead", letterhead);
        options.put("--stamp", stamp);
        options.put("--attach-source", attachSource ? true : null);
        options.values().removeIf(Objects::isNull);
        if (!options.isEmpty()) throw wrong(String.join(", ", options.keySet()) + " can't be had in a ." + target.ending()
                + "; that is for PDFs. Leave it out, or make a PDF.");
    }

    static Path recipesFolder() { return Decant.home().resolve("recipes"); }

    private PdfStyle style(PdfStyle style) {
        PdfStyle made = style;
        if (bookmarks != null) made = made.with(levels());
        if (fonts != null) {
            made = made.with(switch (fonts) {
                case "used" -> PdfChoices.Fonts.USED_CHARACTERS;
                case "whole" -> PdfChoices.Fonts.WHOLE;
                case "standard-left-out" -> PdfChoices.Fonts.STANDARD_LEFT_OUT;
                default -> throw wrong("--fonts is used, whole or standard-left-out.");
            });
        }
        if (quality != null && (quality < 1 || quality > 100)) throw wrong("--picture-quality goes from 1 to 100.");
        if (resolution != null && (resolution < 10 || resolution > 4800)) throw wrong("--picture-resolution goes from 10 to 4800 pixels an inch.");
        if (quality != null || resolution != null)
            made = made.with(new Pictures(quality == null ? style.pictures().quality() : quality, resolution == null ? style.pictures().resolution()
                    : resolution, style.pictures().grey(), style.pictures().lineArt()));
        if (standard != null) made = made.with(standard());
        if (untagged) made = made.tagged(false);
        if (uncompressed) made = made.compressed(false);
        if (linearized) made = made.linearized(true);
        if (version != null) {
            if (version < 1.4 || version > 2.0) throw wrong("--pdf-version goes from 1.4 to 2.0.");
            made = made.version(version);
        }
        return made;
    }

    private Standard standard() {
        Standard named = Standard.named(standard);
        if (named != null) return named;
        throw wrong("“" + standard + "” is no standard known here. There are " + Arrays.stream(Standard.values()).filter(one -> one != Standard.NONE)
                .map(Standard::words).collect(Collectors.joining(", ")) + ".");
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
        if (!bookmarks.matches("[1-9](-[1-9])?")) throw wrong("--bookmarks is none, a level, or levels such as 1-3.");
        int from = bookmarks.charAt(0) - '0';
        int last = bookmarks.charAt(bookmarks.length() - 1) - '0';
        if (last < from) throw wrong("--bookmarks runs backwards; write " + last + "-" + from + ".");
        return new PdfChoices.Bookmarks(from, last, from);
    }

    private static <T extends Enum<T>> T value(Class<T> kind, String option, String text) {
        for (T one : kind.getEnumConstants()) if (one.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(text.toLowerCase(Locale.ROOT))) return one;
        throw wrong("“" + text + "” is nothing that " + option + " can be. There are " + Arrays.stream(kind.getEnumConstants())
                .map(one -> one.name().toLowerCase(Locale.ROOT).replace('_', '-')).collect(Collectors.joining(", ")) + ".");
    }

    private static String chosen(String anew, String kept) { return anew != null ? anew : kept; }

    private static DecantException wrong(String sentence) { return new DecantException(Kind.WRONG_CALL, Message.said(sentence)); }

    /** What --also makes beside the recipe itself: a format, or a recipe by its name. */
    static Recipe another(String name, Recipe like) {
        Target format = Target.of(name);
        return format != null ? like.as(format) : new Recipes(recipesFolder()).find(name).with(like.present());
    }
}
