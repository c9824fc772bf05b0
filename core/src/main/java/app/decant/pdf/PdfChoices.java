package app.decant.pdf;

import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.pdf.lock.Protection;
import app.decant.words.Message;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Everything that decides what one PDF is like.
 *
 * @param pages       indexes of the pages to write, in order
 * @param style       what it is to be like
 * @param protection  who may do what with it
 * @param overlays    what is laid under or over its pages
 * @param attachments files that travel inside
 * @param facts       written into the file; null values are left out
 * @param dates       which times are told
 * @param addresses   schemes of links that pass besides the usual ones
 * @param when        the file's time of making
 */
public record PdfChoices(List<Integer> pages, PdfStyle style, Protection protection, List<Overlay> overlays, List<Attachment> attachments, Facts facts,
        Dates dates, Set<String> addresses, Instant when) {
    public PdfChoices {
        addresses = Set.copyOf(addresses);
        pages = List.copyOf(pages);
        overlays = List.copyOf(overlays);
        attachments = List.copyOf(attachments);
    }

    public PdfChoices(List<Integer> pages, PdfStyle style, Facts facts, Instant when) {
        this(pages, style, Protection.NONE, List.of(), List.of(), facts, Dates.OF_THE_FILE, Set.of(), when);
    }

    /** The same in another style. */
    public PdfChoices with(PdfStyle other) { return new PdfChoices(pages, other, protection, overlays, attachments, facts, dates, addresses, when); }

    /**
     * What becomes a bookmark.
     *
     * @param from    headings from this level; 0 for no headings
     * @param to      to this level
     * @param open    those up to this level are unfolded at first
     * @param places  whether places named in the document become bookmarks as well, below the heading they stand under
     * @param bold    those up to this level are bold; 0 for none
     * @param colours of the levels from 1 on; levels beyond the list are black
     * @param titles  other words for some headings: what a heading says, and what its bookmark says
     */
    public record Bookmarks(int from, int to, int open, boolean places, int bold, List<Colour> colours, Map<String, String> titles,
            boolean anew) {
        public static final Bookmarks NONE = new Bookmarks(0, 0, 0);

        public Bookmarks {
            colours = List.copyOf(colours);
            titles = Map.copyOf(titles);
        }

        public Bookmarks(int from, int to, int open) { this(from, to, open, false, 0, List.of(), Map.of(), false); }

        public boolean any() { return from > 0 || places; }

        public boolean includes(int level) { return from > 0 && level >= from && level <= to; }

        public Bookmarks levels(int first, int last, int unfolded) { return new Bookmarks(first, last, unfolded, places, bold, colours, titles, anew); }
        public Bookmarks places(boolean other) { return new Bookmarks(from, to, open, other, bold, colours, titles, anew); }
        public Bookmarks bold(int other) { return new Bookmarks(from, to, open, places, other, colours, titles, anew); }
        public Bookmarks coloured(List<Colour> other) { return new Bookmarks(from, to, open, places, bold, other, titles, anew); }
        public Bookmarks titled(Map<String, String> other) { return new Bookmarks(from, to, open, places, bold, colours, other, anew); }
        public Bookmarks anew(boolean other) { return new Bookmarks(from, to, open, places, bold, colours, titles, other); }
    }

    /**
     * The characters used only, or whole fonts; or the characters used, but nothing of those fonts that stand for the fourteen every reader has
     * (ISO 32000-1, 9.6.2.2), which makes the smallest files and leaves the exact look to the reader.
     */
    public enum Fonts { USED_CHARACTERS, WHOLE, STANDARD_LEFT_OUT }

    /** The PDF version written. */
    public double version() {
        if (style.version() > 0) return style.version();
        return style.standard().part() == 1 ? 1.4 : protection.strength() == Protection.Strength.AES_256 ? 2.0 : 1.7;
    }

    /**
     * Refuses choices that contradict each other.
     *
     * @throws DecantException ({@code WRONG_CALL}) with a sentence that names both
     */
    public void refuseContradictions() {
        Standard standard = style.standard();
        if (standard.isArchive() && protection.isOn())
            throw wrong(Message.of("pdf.must-open-without-a-password", standard.words()));
        if (!standard.allowsAttachments() && !attachments.isEmpty())
            throw wrong(Message.of("pdf.may-hold-no-attached-files-leave-them", standard.words()));
        if (standard.isOpaque() && overlays.stream().anyMatch(overlay -> overlay.opacity() < 1))
            throw wrong(Message.of("pdf.knows-nothing-that-shines-through", standard.words()));
        if (protection.isOn() && style.version() > 0 && style.version() < protection.strength().version()) {
            throw wrong(Message.of("pdf.pdf-does-not-know-this-encryption", style.version(), protection.strength().version()));
        }
        if (protection.metadataInClear() && protection.strength().isWeak())
            throw wrong(Message.of("pdf.encryption-by-rc4-locks-all"));
        if (style.fonts() == Fonts.STANDARD_LEFT_OUT && standard != Standard.NONE)
            throw wrong(Message.of("pdf.asks-for-all-fonts-inside-leaving", standard.words()));
        if (style.fillable() && standard != Standard.NONE)
            throw wrong(Message.of("pdf.fields-and-standard", standard.words()));
        boolean anew = protection.isOn() || style.linearized() || !style.compressed() || !style.tagged() || standard != Standard.NONE || style.version() > 0
                || !style.pictures().isExact() || style.fonts() == Fonts.WHOLE;
        if (style.incremental() && anew) throw wrong(Message.of("pdf.incremental-and-anew"));
        if (standard.part() == 1 && style.version() > 1.4)
            throw wrong(Message.of("pdf.is-pdf-1-4-pdf-contradicts", standard.words(), style.version()));
        if (standard.part() > 1 && style.version() > 1.7)
            throw wrong(Message.of("pdf.is-at-most-pdf-1-7-pdf", standard.words(), style.version()));
        for (String password : List.of(protection.toOpen(), protection.toChange())) {
            if (!protection.isOn()) break;
            int bytes = password.getBytes(StandardCharsets.UTF_8).length;
            if (bytes > protection.strength().longest())
                throw wrong(Message.of("pdf.the-password-has-bytes-this-strength-takes", bytes, protection.strength().longest()));
            boolean latin = StandardCharsets.ISO_8859_1.newEncoder().canEncode(password);
            if (protection.strength() != Protection.Strength.AES_256 && !latin)
                throw wrong(Message.of("pdf.the-password-has-letters-that-this-strength"));
        }
        if (protection.isOn() && !protection.toOpen().isEmpty() && protection.toOpen().equals(protection.toChange()))
            throw wrong(Message.of("pdf.the-password-to-open-and-the-owner"));
    }

    private static DecantException wrong(Message message) { return new DecantException(DecantException.Kind.WRONG_CALL, message); }
}
