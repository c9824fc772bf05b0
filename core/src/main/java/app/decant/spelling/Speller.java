package app.decant.spelling;

import java.io.IOException;
import java.io.InputStream;
import java.text.ParseException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.lucene.analysis.hunspell.Dictionary;
import org.apache.lucene.analysis.hunspell.Hunspell;
import org.apache.lucene.store.ByteBuffersDirectory;
import org.apache.lucene.store.Directory;
import org.slf4j.LoggerFactory;

/** Whether a language knows a word. Remembers what it was asked: a document says most of its words again and again. */
final class Speller {
    private static final int MOST_REMEMBERED = 200_000;
    /** So long, in milliseconds, it is looked for what a word was meant as: a machine that is busy with other things needs more than the library gives it. */
    private static final long LONGEST = 2_000;
    private static final Map<Language, Speller> READ = new EnumMap<>(Language.class);

    private final Hunspell hunspell;
    private final Map<String, Boolean> asked = new HashMap<>();

    private Speller(Hunspell hunspell) { this.hunspell = hunspell; }

    /** The speller of a language, its dictionary read once; null where that is missing or broken, which is logged. */
    static synchronized Speller of(Language language) {
        if (!READ.containsKey(language)) READ.put(language, read(language));
        return READ.get(language);
    }

    private static Speller read(Language language) {
        try (InputStream rules = Speller.class.getResourceAsStream(language.file() + ".aff");
                InputStream words = Speller.class.getResourceAsStream(language.file() + ".dic"); Directory aside = new ByteBuffersDirectory()) {
            if (rules == null || words == null) throw new IOException("there is no dictionary " + language.file());
            return new Speller(new Hunspell(new Dictionary(aside, language.file(), rules, words)));
        } catch (IOException | ParseException e) {
            LoggerFactory.getLogger(Speller.class).error("Words in {} can't be looked up", language.tag(), e);
            return null;
        }
    }

    synchronized boolean knows(String word) {
        if (asked.size() > MOST_REMEMBERED) asked.clear();
        return asked.computeIfAbsent(word, hunspell::spell);
    }

    /** What a word may have been meant as, the likeliest first. */
    synchronized List<String> suggestions(String word) { return hunspell.suggest(word, LONGEST); }
}
