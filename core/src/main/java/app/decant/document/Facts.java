package app.decant.document;

import java.time.Instant;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/** What is said about the document as a whole; null where nothing is said. */
public record Facts(String title, String subject, String author, String keywords, String language, Instant created, Instant changed,
        Map<String, String> others) {
    public static final Facts NONE = new Facts(null, null, null, null, null, null, null, Map.of());

    public Facts {
        title = plain(title);
        subject = plain(subject);
        author = plain(author);
        keywords = plain(keywords);
        Map<String, String> named = new TreeMap<>();
        others.forEach((name, value) -> named.put(plain(name), plain(value)));
        others = Collections.unmodifiableMap(named);
    }

    private static String plain(String said) { return said == null ? null : Characters.plain(said); }

    public Facts withTitle(String other) { return new Facts(other, subject, author, keywords, language, created, changed, others); }
}
