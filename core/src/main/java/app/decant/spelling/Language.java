package app.decant.spelling;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** The languages whose dictionaries ship, by their BCP 47 tags. */
public enum Language {
    ENGLISH("en-GB"), ENGLISH_OF_AMERICA("en-US"), GERMAN("de-DE"), FRENCH("fr-FR"), SPANISH("es-ES");

    private static final List<String> LIKE_AMERICA = List.of("US", "CA", "PH", "LR");

    private final String tag;

    Language(String tag) { this.tag = tag; }

    /** A BCP 47 tag. */
    public String tag() { return tag; }

    /** What its files are called. */
    String file() { return this == ENGLISH || this == ENGLISH_OF_AMERICA ? tag.toLowerCase(Locale.ROOT) : tag.substring(0, 2); }

    /** The dictionary for a language, whatever its country; null where none ships. */
    public static Language of(String tag) {
        if (tag == null) return null;
        Locale locale = Locale.forLanguageTag(tag.replace('_', '-'));
        if (locale.getLanguage().equals("en")) return LIKE_AMERICA.contains(locale.getCountry()) ? ENGLISH_OF_AMERICA : ENGLISH;
        return Stream.of(values()).filter(one -> one.tag.startsWith(locale.getLanguage()) && !locale.getLanguage().isEmpty()).findFirst().orElse(null);
    }
}
