package app.decant.format.sheet;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.nio.charset.Charset;

/**
 * How values between separators are read (RFC 4180 leaves it open); what is null is found out from the file.
 *
 * @param separator what parts values
 * @param comma     whether decimals stand behind a comma, rather than a point
 * @param letters   the encoding of the file's letters
 */
public record SeparatedValues(Character separator, Boolean comma, Charset letters) {
    public static final SeparatedValues AS_FOUND = new SeparatedValues(null, null, null);

    public SeparatedValues {
        boolean none = separator != null && (separator == '"' || separator == '\n' || separator == '\r' || Character.isLetterOrDigit(separator));
        if (none) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("sheet.no-separator", separator));
    }

    /** Parted otherwise; values are others then, and tell themselves how their decimals stand. */
    public SeparatedValues parted(char by) { return new SeparatedValues(by, null, letters); }

    public SeparatedValues decimals(boolean behindComma) { return new SeparatedValues(separator, behindComma, letters); }

    public SeparatedValues written(Charset in) { return new SeparatedValues(separator, comma, in); }
}
