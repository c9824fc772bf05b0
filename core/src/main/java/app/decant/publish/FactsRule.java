package app.decant.publish;

import app.decant.document.Facts;
import java.util.Map;

/**
 * What a published file says about the document: the document's own facts, or none, and some written anew.
 *
 * @param title    instead of the document's own; null keeps that; likewise the others
 * @param stripped whether nothing is kept
 */
public record FactsRule(boolean stripped, String title, String subject, String author, String keywords, String language) {
    public static final FactsRule KEEP = new FactsRule(false, null, null, null, null, null);
    public static final FactsRule STRIP = new FactsRule(true, null, null, null, null, null);

    /** @param fallback the title where neither the document nor the rule has one */
    Facts of(Facts own, String fallback) {
        Facts kept = stripped ? Facts.NONE : own;
        String named = title != null ? title : stripped ? null : kept.title() != null ? kept.title() : fallback;
        return new Facts(named, chosen(subject, kept.subject()), chosen(author, kept.author()), chosen(keywords, kept.keywords()), chosen(language, own.language()), kept.created(), kept.changed(), stripped ? Map.of() : kept.others());
    }

    private static String chosen(String anew, String kept) { return anew != null ? anew.isEmpty() ? null : anew : kept; }
}
