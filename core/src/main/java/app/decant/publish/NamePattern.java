package app.decant.publish;

import app.decant.document.DecantException;
import app.decant.page.Pages;
import app.decant.words.Message;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Names made from a pattern: {@code {name}} the name wished for, {@code {n}} the page's number (more n for leading noughts: {@code {nnn}}),
 * {@code {label}} the number as printed, {@code {heading}} the heading it stands under, {@code {title}} the document's, {@code {date}} today.
 */
public final class NamePattern {
    private static final Pattern FIELD = Pattern.compile("\\{([^{}]*)\\}");

    private NamePattern() { }

    /**
     * The name of one page's file, without its ending.
     *
     * @param place of the page in the publication, from 1
     * @throws DecantException ({@code WRONG_CALL}) where the pattern names something there is not
     */
    public static String of(String pattern, String name, Pages pages, int page, int place, Instant when) {
        Matcher matcher = FIELD.matcher(pattern);
        StringBuilder made = new StringBuilder();
        boolean counted = false;
        while (matcher.find()) {
            String field = matcher.group(1);
            counted |= field.matches("n+") || field.equals("label");
            String value = field.matches("n+") ? String.format(Locale.ROOT, "%0" + field.length() + "d", place) : switch (field) {
                case "name" -> name;
                case "label" -> pages.page(page).label();
                case "heading" -> heading(pages, page);
                case "title" -> pages.facts().title() == null ? name : pages.facts().title();
                case "date" -> LocalDate.ofInstant(when, ZoneOffset.UTC).toString();
                default -> throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("publish.means-nothing-in-a-name-there", field));
            };
            matcher.appendReplacement(made, Matcher.quoteReplacement(clean(value)));
        }
        matcher.appendTail(made);
        if (!counted) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("publish.the-pattern-gives-every-page-the-same", pattern));
        String result = made.toString().trim();
        if (result.isEmpty() || result.contains("/") || result.contains("\\"))
            throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("publish.the-pattern-gives-no-name", pattern));
        return result;
    }

    /** The last heading that begins on the page or before it. */
    private static String heading(Pages pages, int page) {
        String found = "";
        for (Pages.Heading heading : pages.headings()) if (heading.page() <= page) found = heading.title();
        return found.length() > 60 ? found.substring(0, 60).trim() : found;
    }

    /** Without what file systems do not take. */
    private static String clean(String text) { return text.replaceAll("[/\\\\:*?\"<>|\\p{Cntrl}\\s]+", " ").trim(); }
}
