package app.decant.publish;

import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.pdf.Overlay;
import app.decant.pdf.page.OverlayPainter;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A letterhead, watermark or stamp as a recipe keeps it.
 *
 * @param what    words to lay on; or the path of a PNG, JPEG or PDF file
 * @param file    whether {@code what} is a path
 * @param under   whether it lies under the text
 * @param pages   which pages of the result
 * @param angle   turned so many degrees against the clock
 * @param opacity 0 to 1
 * @param share   its width as a share of the page's; 0 for its own size
 * @param place   where words stand
 */
public record Laid(String what, boolean file, boolean under, PageRange pages, double angle, double opacity, double share, Overlay.Place place) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ISO_LOCAL_DATE.withZone(ZoneId.systemDefault());
    private static final Pattern FIELD = Pattern.compile("\\{(?!page}|pages}|label})\\w*}");

    /** Grey words across the whole page, under the text. */
    public static Laid watermark(String words) { return new Laid(words, false, true, PageRange.ALL, 40, 0.18, 0.7, Overlay.Place.MIDDLE); }

    /** The first page of a PDF under the text of every page. */
    public static Laid letterhead(Path pdf) { return new Laid(pdf.toString(), true, true, PageRange.ALL, 0, 1, 0, Overlay.Place.MIDDLE); }

    /** Words in the margin of every page, over all else. They may hold {@code {page}}, {@code {pages}}, {@code {label}}, {@code {title}} and {@code {date}}. */
    public static Laid stamp(String words, Overlay.Place place) { return new Laid(words, false, false, PageRange.ALL, 0, 1, 0, place); }

    /** Whether it stands in a margin, as a stamp, a head or a foot. */
    public boolean isStamp() { return !file && place != Overlay.Place.MIDDLE; }

    /**
     * The same ready to be laid on.
     *
     * @param count how many pages the result has
     * @param title what {@code {title}} stands for, or null
     */
    Overlay overlay(int count, String title, Instant when) {
        if (!file && what.indexOf('{') >= 0) return named(title, when).overlay(count);
        return overlay(count);
    }

    private Laid named(String title, Instant when) {
        String words = what.replace("{title}", title == null ? "" : title).replace("{date}", DAY.format(when));
        Matcher unknown = FIELD.matcher(words);
        if (unknown.find()) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("publish.in-the-words-laid-on-pages", unknown.group()));
        return new Laid(words.strip(), false, under, pages, angle, opacity, share, place);
    }

    private Overlay overlay(int count) {
        Set<Integer> on = pages.equals(PageRange.ALL) ? Set.of() : new HashSet<>(pages.of(count));
        Overlay overlay = new Overlay(content(), under, on, angle, opacity, share);
        try {
            OverlayPainter.refuseUnusable(overlay);
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("publish.cannot-be-laid-on-the-pages", Path.of(what).getFileName()), e);
        }
        return overlay;
    }

    private Overlay.Content content() {
        if (!file) return new Overlay.Words(what, place == Overlay.Place.MIDDLE ? 60 : 10, place == Overlay.Place.MIDDLE ? new Colour(0x6F6875)
                : Colour.BLACK, place);
        Path path = Path.of(what);
        try {
            byte[] bytes = Files.readAllBytes(path);
            boolean pdf = bytes.length > 4 && bytes[0] == '%' && bytes[1] == 'P' && bytes[2] == 'D' && bytes[3] == 'F';
            return pdf ? new Overlay.PdfFile(bytes) : new Overlay.PictureFile(bytes);
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("publish.which-is-to-be-laid", path.getFileName()), e);
        }
    }
}
