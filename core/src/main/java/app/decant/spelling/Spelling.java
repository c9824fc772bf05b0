package app.decant.spelling;

import app.decant.document.AddressFinder;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.document.Walk;
import com.ibm.icu.text.BreakIterator;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;

/**
 * Looks a document's words up, and again after each edit only those of paragraphs that are new. To be used by one thread at a time.
 * Left alone are addresses, what holds digits, what is all in capitals, names that come again and again, hidden text, and passages in a language that no
 * dictionary ships for.
 */
public final class Spelling {
    /** So many unlike words tell the language of a text that does not say it. */
    private static final int SAMPLE = 400;
    /** From so much of it known on, a text is taken to be in a language; below, it is in none of those here. */
    private static final double SPOKEN = 0.5;
    private static final int LONGEST = 60;
    /** A word with a capital that stands so often is a name. */
    private static final int NAMED = 3;

    private final Set<String> own;
    private Map<Paragraph, List<Slip>> known = new IdentityHashMap<>();
    private StyleSheet styles;
    private Language spoken;
    private boolean guessed;

    /** A word that the dictionary of its language does not know. */
    public record Slip(int from, int to, String word, Language language) { }

    /** A word as it stands in a paragraph. */
    private record Word(int from, int to, String letters) { }

    /** @param own words of the user's, right in every language */
    public Spelling(Set<String> own) { this.own = new HashSet<>(own); }

    /** Takes a word for right from now on. */
    public void learn(String word) {
        own.add(word);
        known.replaceAll((paragraph, slips) -> slips.stream().filter(slip -> !isOwn(slip.word)).toList());
    }

    /**
     * The words that are perhaps misspelled, by the very paragraphs they are in; those without are left out.
     *
     * @param stop asked now and then: where it says so, what was found by then is returned
     */
    public Map<Paragraph, List<Slip>> check(Document document, BooleanSupplier stop) {
        if (document.styles() != styles) {
            known = new IdentityHashMap<>();
            styles = document.styles();
        }
        Cascade cascade = Cascade.of(document);
        if (!guessed) {
            spoken = spoken(document, cascade);
            guessed = true;
        }
        Map<Paragraph, List<Slip>> present = new IdentityHashMap<>();
        for (Story story : Stories.all(document)) {
            for (Walk.Stop one : Walk.of(document, story).stops()) {
                if (stop.getAsBoolean()) return found(present);
                List<Slip> slips = known.get(one.paragraph());
                present.put(one.paragraph(), slips != null ? slips : slips(one.paragraph(), cascade));
            }
        }
        known = present;
        return found(present);
    }

    /** All that has slips; words that are written like names, again and again, are taken for names. */
    private static Map<Paragraph, List<Slip>> found(Map<Paragraph, List<Slip>> all) {
        Map<Paragraph, List<Slip>> found = new IdentityHashMap<>(all);
        found.values().removeIf(List::isEmpty);
        Map<String, Integer> times = new HashMap<>();
        for (List<Slip> slips : found.values()) for (Slip slip : slips) if (isLikeName(slip)) times.merge(slip.word, 1, Integer::sum);
        Predicate<Slip> name = slip -> times.getOrDefault(slip.word, 0) >= NAMED;
        found.replaceAll((paragraph, slips) -> slips.stream().anyMatch(name) ? slips.stream().filter(name.negate()).toList() : slips);
        found.values().removeIf(List::isEmpty);
        return Collections.unmodifiableMap(found);
    }

    /** In German every noun is written so. */
    private static boolean isLikeName(Slip slip) {
        return slip.language != Language.GERMAN && Character.isUpperCase(slip.word.charAt(0)) && slip.word.chars().skip(1).noneMatch(Character::isUpperCase);
    }

    /** What a word may have been meant as, at most so many, the likeliest first; none where no dictionary is there. */
    public static List<String> suggestions(Slip slip, int most) {
        Speller speller = Speller.of(slip.language);
        return speller == null ? List.of() : speller.suggestions(slip.word).stream().distinct().limit(most).toList();
    }

    private boolean isOwn(String word) { return own.contains(word) || own.contains(word.toLowerCase(Locale.ROOT)); }

    private List<Slip> slips(Paragraph paragraph, Cascade cascade) {
        List<Slip> slips = null;
        for (Word word : words(paragraph)) {
            Look look = cascade.text(paragraph, paragraph.lookBefore(word.from + 1));
            if (look.is(TextProperty.HIDDEN) || isTakenOut(look)) continue;
            String told = look.get(TextProperty.LANGUAGE);
            Language language = told == null ? spoken : Language.of(told);
            if (language == null || isKnown(language, word.letters) || isOwn(word.letters)) continue;
            if (slips == null) slips = new ArrayList<>(2);
            slips.add(new Slip(word.from, word.to, word.letters, language));
        }
        return slips == null ? List.of() : slips;
    }

    private static boolean isTakenOut(Look look) {
        TrackedChange change = look.get(TextProperty.TRACKED);
        return change != null && change.isDeletion();
    }

    /** Whether a dictionary has a word, or all parts of one that is joined by hyphens; where there is no dictionary, nothing is wrong. */
    private static boolean isKnown(Language language, String word) {
        Speller speller = Speller.of(language);
        if (speller == null || speller.knows(word)) return true;
        int hyphen = word.indexOf('-');
        if (hyphen < 0) return false;
        for (String part : word.split("-")) if (!part.isEmpty() && !speller.knows(part)) return false;
        return true;
    }

    /** The words that can be looked up: no addresses, nothing with digits, nothing all in capitals, no lone letters. */
    private static List<Word> words(Paragraph paragraph) {
        String text = paragraph.text();
        if (text.isBlank()) return List.of();
        List<int[]> addresses = AddressFinder.addresses(text);
        BreakIterator breaks = BreakIterator.getWordInstance(Locale.ROOT);
        breaks.setText(text);
        List<Word> words = new ArrayList<>();
        int from = breaks.first();
        for (int to = breaks.next(); to != BreakIterator.DONE; from = to, to = breaks.next()) {
            if (breaks.getRuleStatus() < BreakIterator.WORD_LETTER || breaks.getRuleStatus() >= BreakIterator.WORD_LETTER_LIMIT) continue;
            int start = from;
            // What hyphens join is one word.
            while (to + 1 < text.length() && text.charAt(to) == '-' && Character.isLetter(text.charAt(to + 1))) to = breaks.following(to);
            int end = to;
            String letters = letters(text.substring(start, end));
            boolean address = addresses.stream().anyMatch(one -> start < one[1] && end > one[0]);
            if (!address && isLookedUp(letters)) words.add(new Word(start, end, letters));
        }
        return words;
    }

    /** As dictionaries write it: straight apostrophes, no soft hyphens. */
    private static String letters(String word) { return word.replace('\u2019', '\'').replace("\u00AD", "").replace("\u200D", ""); }

    private static boolean isLookedUp(String word) {
        if (word.length() < 2 || word.length() > LONGEST || word.equals(word.toUpperCase(Locale.ROOT))) return false;
        return word.chars().noneMatch(Character::isDigit) && word.indexOf('_') < 0;
    }

    /** The language that a text that does not say it is in: the one that knows most of its words; null where none knows half. */
    private static Language spoken(Document document, Cascade cascade) {
        Set<String> sample = new HashSet<>();
        for (Walk.Stop stop : Walk.of(document).stops()) {
            if (sample.size() > SAMPLE) break;
            if (cascade.text(stop.paragraph(), Look.PLAIN).get(TextProperty.LANGUAGE) != null) continue;
            boolean told = stop.paragraph().inlines().stream().anyMatch(inline -> inline instanceof Inline.Text run && run.look().says(TextProperty.LANGUAGE));
            if (!told) for (Word word : words(stop.paragraph())) sample.add(word.letters);
        }
        Language best = null;
        double most = SPOKEN;
        for (Language language : sample.isEmpty() ? new Language[0] : Language.values()) {
            double share = sample.stream().filter(word -> isKnown(language, word)).count() / (double) sample.size();
            if (share > most) {
                best = language;
                most = share;
            }
        }
        return best;
    }
}
