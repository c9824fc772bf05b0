package app.decant.edit;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.words.Message;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;

/**
 * What is looked for.
 *
 * @param words      as they stand, or a regular expression of {@link Pattern}
 * @param exactCase  whether upper and lower case count as different
 * @param wholeWords whether letters or digits may stand on neither side
 * @param pattern    whether {@code words} is a regular expression
 * @param look       that all of it has, or null for any; where there are no words, whatever has it is looked for
 */
public record Wanted(String words, boolean exactCase, boolean wholeWords, boolean pattern, SeenLook look) {
    public Wanted(String words, boolean exactCase, boolean wholeWords, boolean pattern) { this(words, exactCase, wholeWords, pattern, null); }

    public static Wanted plain(String words, boolean exactCase) { return new Wanted(words, exactCase, false, false); }

    /** Whether nothing is looked for. */
    public boolean isNothing() { return words.isEmpty() && look == null; }

    /** @throws DecantException ({@code WRONG_CALL}) where it is no regular expression */
    Pattern compiled() {
        String asked = pattern ? words : Pattern.quote(words.replace("\u00AD", "").replace('\u00A0', ' '));
        if (wholeWords) asked = "(?<![\\p{L}\\p{M}\\p{N}])(?:" + asked + ")(?![\\p{L}\\p{M}\\p{N}])";
        try {
            return Pattern.compile(asked, exactCase ? 0 : Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
        } catch (PatternSyntaxException e) {
            throw new DecantException(Kind.WRONG_CALL, Message.of("edit.no-pattern", e.getDescription(), e.getIndex() + 1), e);
        }
    }
}
