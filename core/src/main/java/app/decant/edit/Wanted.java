package app.decant.edit;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.text.Normalizer;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;
import java.util.stream.Collectors;

/**
 * What is looked for.
 *
 * @param words      as they stand, or a regular expression of {@link Pattern}
 * @param exactCase  whether upper and lower case count as different
 * @param wholeWords whether letters or digits may stand on neither side
 * @param pattern    whether {@code words} is a regular expression
 * @param look       that all of it has, or null for any; where there are no words, whatever has it is looked for
 * @param anyAccents whether letters count as the same whatever stands on or under them; of no matter to a regular expression
 */
public record Wanted(String words, boolean exactCase, boolean wholeWords, boolean pattern, SeenLook look, boolean anyAccents) {
    public Wanted(String words, boolean exactCase, boolean wholeWords, boolean pattern) { this(words, exactCase, wholeWords, pattern, null, false); }

    public Wanted(String words, boolean exactCase, boolean wholeWords, boolean pattern, SeenLook look) {
        this(words, exactCase, wholeWords, pattern, look, false);
    }

    public static Wanted plain(String words, boolean exactCase) { return new Wanted(words, exactCase, false, false); }

    /** Whether nothing is looked for. */
    public boolean isNothing() { return words.isEmpty() && look == null; }

    /** Letters each with whatever marks stand behind it in the text. */
    private static String anyMarks(String folded) {
        return folded.codePoints().mapToObj(letter -> Pattern.quote(Character.toString(letter)) + "\\p{M}*").collect(Collectors.joining());
    }

    boolean foldsAccents() { return anyAccents && !pattern; }

    /** Letters without their accents, as many as there were: each is its own first part (Unicode Standard Annex 15, NFD). */
    static String folded(String text) {
        StringBuilder folded = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char letter = text.charAt(i);
            folded.append(letter < 0x80 ? letter : Normalizer.normalize(String.valueOf(letter), Normalizer.Form.NFD).charAt(0));
        }
        return folded.toString();
    }

    /** @throws DecantException ({@code WRONG_CALL}) where it is no regular expression */
    Pattern compiled() {
        String plain = words.replace("\u00AD", "").replace('\u00A0', ' ');
        String asked = pattern ? words : foldsAccents() ? anyMarks(folded(plain).replaceAll("\\p{M}", "")) : Pattern.quote(plain);
        if (wholeWords) asked = "(?<![\\p{L}\\p{M}\\p{N}])(?:" + asked + ")(?![\\p{L}\\p{M}\\p{N}])";
        try {
            return Pattern.compile(asked, exactCase ? 0 : Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
        } catch (PatternSyntaxException e) {
            throw new DecantException(Kind.WRONG_CALL, Message.of("edit.no-pattern", e.getDescription(), e.getIndex() + 1), e);
        }
    }
}
