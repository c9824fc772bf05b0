package app.decant.edit;

import app.decant.document.AddressFinder;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.TextProperty;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What is done for somebody right after a letter was typed: quotes as print has them, a capital at the head of a sentence, a slip of the fingers mended, an
 * address made a link, a list begun. Each is a change of its own, so that one undo takes just it back.
 */
public final class TypingAids {
    private static final String[] ENGLISH = {"\u201C", "\u201D", "\u2018", "\u2019"};
    /** Quotes by language: double before and after, single before and after (the Unicode Standard, chapter 6.2; common practice). */
    private static final Map<String, String[]> QUOTES = Map.of("de", new String[] {"\u201E", "\u201C", "\u201A", "\u2018"},
            "fr", new String[] {"\u00AB\u00A0", "\u00A0\u00BB", "\u2018", "\u2019"}, "es", new String[] {"\u00AB", "\u00BB", "\u2018", "\u2019"},
            "it", new String[] {"\u00AB", "\u00BB", "\u2018", "\u2019"}, "sv", new String[] {"\u201D", "\u201D", "\u2019", "\u2019"});
    /** Slips of the fingers, each of which is no word (from memory). */
    private static final Map<String, Map<String, String>> SLIPS = Map.of(
            "en", Map.ofEntries(Map.entry("teh", "the"), Map.entry("adn", "and"), Map.entry("hte", "the"), Map.entry("taht", "that"),
                    Map.entry("thier", "their"), Map.entry("recieve", "receive"), Map.entry("wiht", "with"), Map.entry("waht", "what"),
                    Map.entry("becuase", "because"), Map.entry("beleive", "believe"), Map.entry("freind", "friend"), Map.entry("seperate", "separate"),
                    Map.entry("accomodation", "accommodation"), Map.entry("dont", "don\u2019t"), Map.entry("didnt", "didn\u2019t")),
            "de", Map.of("udn", "und", "dei", "die", "nciht", "nicht", "sidn", "sind", "dsa", "das"),
            "fr", Map.of("dnas", "dans", "qeu", "que", "uen", "une", "puor", "pour"),
            "es", Map.of("qeu", "que", "uan", "una", "paar", "para", "tambien", "tambi\u00E9n"));
    private static final Pattern WORD = Pattern.compile("(?:^|.*?[\\s(\\[\u201C\u201E\u00AB])([\\p{L}\u2019']+)$", Pattern.DOTALL);
    private static final Pattern HEAD = Pattern.compile("(?:^|.*[.!?\u2026][\u201D\u2019)\u00BB]?\\s+)[\u201C\u2018(\u201E\u00AB]?(\\p{Ll})\\p{Ll}*$",
            Pattern.DOTALL);
    /** After these a sentence goes on. */
    private static final Pattern SHORTENED = Pattern.compile("(?iu)^\\d+[.)]\\s+\\S*$|.*\\b(?:e\\.g|i\\.e|etc|cf|no|nr|mr|mrs|ms|dr|st|approx|"
            + "z\\.\\s?b|bzw|ca|usw|vgl|p\\.\\s?ex|sr|sra|\\p{L})\\.\\s+\\S*$", Pattern.DOTALL);

    /** What can be helped with, each to be switched off. */
    public enum Aid { QUOTES, CAPITALS, SLIPS, LINKS, LISTS }

    private TypingAids() { }

    /**
     * What is to be done after something was typed; null where nothing is.
     *
     * @param caret behind what was typed
     * @param typed the letter that was typed, or a line end for a new paragraph, after which the caret stands at its head
     */
    public static Change after(Document document, TextSelection caret, String typed, Set<Aid> wanted) {
        if (!caret.isEmpty() || typed.length() != 1) return null;
        Place at = caret.head();
        Paragraph paragraph = document.paragraph(at);
        int end = at.offset() - 1;
        if (end < 0 || end >= paragraph.length() || paragraph.text().charAt(end) != typed.charAt(0)) return null;
        String before = paragraph.text().substring(0, end);
        String language = language(document, paragraph, at.offset());
        char c = typed.charAt(0);
        if ((c == '"' || c == '\'') && wanted.contains(Aid.QUOTES)) return quote(document, at, before, c, language);
        if (c == ' ' && wanted.contains(Aid.LISTS)) {
            Change list = list(document, at, before);
            if (list != null) return list;
        }
        boolean ends = c == ' ' || ",.;:!?)".indexOf(c) >= 0;
        if (!ends) return null;
        Change link = c == ' ' && wanted.contains(Aid.LINKS) ? link(document, at, before) : null;
        if (link != null) return link;
        Change slip = wanted.contains(Aid.SLIPS) ? slip(document, at, before, language) : null;
        return slip != null ? slip : wanted.contains(Aid.CAPITALS) ? capital(document, at, before) : null;
    }

    private static String language(Document document, Paragraph paragraph, int offset) {
        String tag = Cascade.of(document).text(paragraph, paragraph.lookBefore(offset)).get(TextProperty.LANGUAGE);
        return tag == null ? Locale.getDefault().getLanguage() : Locale.forLanguageTag(tag).getLanguage();
    }

    private static Change quote(Document document, Place at, String before, char typed, String language) {
        String[] quotes = QUOTES.getOrDefault(language, ENGLISH);
        char last = before.isEmpty() ? ' ' : before.charAt(before.length() - 1);
        boolean opens = Character.isWhitespace(last) || Character.isSpaceChar(last) || "([{\u2013\u2014/\u201C\u201E\u00AB\u2018\u201A".indexOf(last) >= 0
                || last == Inline.OBJECT;
        // Between letters, and at the end of one that was not opened, it is an apostrophe.
        boolean apostrophe = typed == '\'' && !opens && !isOpen(before, quotes[2], quotes[3]);
        String put = apostrophe ? "\u2019" : quotes[(typed == '"' ? 0 : 2) + (opens ? 0 : 1)];
        return instead(document, at, 1, put, at.offset());
    }

    private static boolean isOpen(String before, String open, String close) {
        if (open.equals(close)) return false;
        int opened = before.lastIndexOf(open);
        return opened >= 0 && before.indexOf(close, opened + 1) < 0;
    }

    /** A sign or a number at the head of a paragraph, and a space: a list begins. */
    private static Change list(Document document, Place at, String before) {
        boolean bullet = before.equals("-") || before.equals("*") || before.equals("\u2022");
        boolean number = before.equals("1.") || before.equals("1)");
        Paragraph paragraph = document.paragraph(at);
        if (!bullet && !number || Lists.kind(document, paragraph) != null || Cascade.of(document).outlineLevel(paragraph) > 0) return null;
        TextSelection sign = new TextSelection(at.at(0), at);
        Change gone = Deletion.delete(document, sign);
        Change listed = Lists.toggle(gone.after(), TextSelection.caret(at.at(0)), bullet ? Lists.Kind.BULLETS : Lists.Kind.NUMBERS);
        return joined(document, TextSelection.caret(at), List.of(gone, listed), EditKind.LIST, at.at(0));
    }

    private static Change link(Document document, Place at, String before) {
        for (int[] address : AddressFinder.addresses(before)) {
            if (address[1] != before.length()) continue;
            TextSelection words = new TextSelection(at.at(address[0]), at.at(address[1]));
            if (Links.at(document, words) != null) return null;
            String uri = before.substring(address[0]);
            String whole = uri.startsWith("www.") ? "https://" + uri : uri.contains("://") || uri.startsWith("mailto:") ? uri : "mailto:" + uri;
            return joined(document, TextSelection.caret(at), List.of(Links.put(document, words, new Link.Address(whole))), EditKind.LOOK, at);
        }
        return null;
    }

    private static Change slip(Document document, Place at, String before, String language) {
        Matcher matcher = WORD.matcher(before);
        if (!matcher.matches()) return null;
        String word = matcher.group(1);
        String meant = SLIPS.getOrDefault(language, Map.of()).get(word.toLowerCase(Locale.ROOT));
        if (meant == null) return null;
        String put = Character.isUpperCase(word.charAt(0)) ? meant.substring(0, 1).toUpperCase(Locale.ROOT) + meant.substring(1) : meant;
        return instead(document, at, word.length(), put, before.length());
    }

    private static Change capital(Document document, Place at, String before) {
        Matcher matcher = HEAD.matcher(before);
        if (!matcher.matches() || SHORTENED.matcher(before).matches()) return null;
        // A list's items and cells often begin small; there, the first word is let alone.
        boolean first = matcher.start(1) <= 1;
        if (first && (at.path().size() > 2 || Lists.kind(document, document.paragraph(at)) != null)) return null;
        int letter = matcher.start(1);
        if (AddressFinder.addresses(before).stream().anyMatch(one -> letter >= one[0] && letter < one[1])) return null;
        TextSelection small = new TextSelection(at.at(letter), at.at(letter + 1));
        Change change = Typing.correct(document, small, matcher.group(1).toUpperCase(Locale.ROOT));
        return joined(document, TextSelection.caret(at), List.of(change), EditKind.REPLACING, at);
    }

    /** Other words in the place of the last ones before an offset; the caret stays behind what was typed. */
    private static Change instead(Document document, Place at, int length, String words, int end) {
        TextSelection old = new TextSelection(at.at(end - length), at.at(end));
        Change change = Typing.correct(document, old, words);
        return joined(document, TextSelection.caret(at), List.of(change), EditKind.REPLACING, at.at(at.offset() + words.length() - length));
    }

    private static Change joined(Document document, TextSelection picked, List<Change> changes, EditKind kind, Place after) {
        Draft draft = new Draft(document, picked);
        for (Change change : changes) change.transaction().steps().forEach(draft::add);
        return draft.done(kind, after);
    }
}
