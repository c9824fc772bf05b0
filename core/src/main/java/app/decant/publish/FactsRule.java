package app.decant.publish;

import app.decant.document.Facts;
import app.decant.pdf.Dates;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a published file says about the document: the document's own facts, or none, and some written anew.
 *
 * @param stripped whether nothing is kept
 * @param title    instead of the document's own; null keeps that; likewise the others
 * @param own      fields of the user's own; those with an empty text are left out
 */
public record FactsRule(boolean stripped, String title, String subject, String author, String keywords, String language, Dates dates, Map<String, String> own) {
    public static final FactsRule KEEP = new FactsRule(false, null, null, null, null, null);
    public static final FactsRule STRIP = new FactsRule(true, null, null, null, null, null);

    public FactsRule { own = Collections.unmodifiableMap(new TreeMap<>(own)); }

    public FactsRule(boolean stripped, String title, String subject, String author, String keywords, String language) {
        this(stripped, title, subject, author, keywords, language, Dates.OF_THE_FILE, Map.of());
    }

    /** @param fallback the title where neither the document nor the rule has one */
    Facts of(Facts said, String fallback) {
        Facts kept = stripped ? Facts.NONE : said;
        String named = title != null ? title : stripped ? null : kept.title() != null ? kept.title() : fallback;
        Map<String, String> others = new TreeMap<>(kept.others());
        others.putAll(own);
        others.values().removeIf(String::isBlank);
        return new Facts(named, chosen(subject, kept.subject()), chosen(author, kept.author()), chosen(keywords, kept.keywords()),
                chosen(language, said.language()), kept.created(), kept.changed(), others);
    }

    private static String chosen(String anew, String kept) { return anew != null ? anew.isEmpty() ? null : anew : kept; }
}
