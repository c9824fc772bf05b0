package app.decant.pdf;

import app.decant.document.DecantException;
import app.decant.document.Facts;
import java.time.Instant;
import java.util.List;

/**
 * Everything that decides what one PDF is like.
 *
 * @param pages       indexes of the pages to write, in order
 * @param style       what it is to be like
 * @param protection  who may do what with it
 * @param overlays    what is laid under or over its pages
 * @param attachments files that travel inside
 * @param facts       written into the file; null values are left out
 * @param when        the file's time of making
 */
public record PdfChoices(List<Integer> pages, PdfStyle style, Protection protection, List<Overlay> overlays, List<Attachment> attachments, Facts facts, Instant when) {
    public PdfChoices {
        pages = List.copyOf(pages);
        overlays = List.copyOf(overlays);
        attachments = List.copyOf(attachments);
    }

    public PdfChoices(List<Integer> pages, PdfStyle style, Facts facts, Instant when) { this(pages, style, Protection.NONE, List.of(), List.of(), facts, when); }

    /** Headings {@code from} to {@code to}; those up to level {@code open} are unfolded at first. {@code from} 0 means none. */
    public record Bookmarks(int from, int to, int open) {
        public static final Bookmarks NONE = new Bookmarks(0, 0, 0);

        public boolean any() { return from > 0; }

        public boolean includes(int level) { return any() && level >= from && level <= to; }
    }

    /** The characters used only, or whole fonts. */
    public enum Fonts { USED_CHARACTERS, WHOLE }

    /** The PDF version written. */
    double version() {
        if (style.version() > 0) return style.version();
        return style.standard().part() == 1 ? 1.4 : protection.strength() == Protection.Strength.AES_256 ? 2.0 : 1.7;
    }

    /**
     * Refuses choices that contradict each other.
     *
     * @throws DecantException ({@code WRONG_CALL}) with a sentence that names both
     */
    void refuseContradictions() {
        Standard standard = style.standard();
        if (standard.isArchive() && protection.isOn()) throw wrong(standard.words() + " must open without a password; it can't be locked as well. Choose one of the two.");
        if (!standard.allowsAttachments() && !attachments.isEmpty()) throw wrong(standard.words() + " may hold no attached files. Leave them out, or choose PDF/A-3.");
        if (standard.isOpaque() && overlays.stream().anyMatch(overlay -> overlay.opacity() < 1)) throw wrong(standard.words() + " knows nothing that shines through, as the watermark would. Make it opaque, or choose PDF/A-2.");
        if (protection.isOn() && style.version() > 0 && style.version() < protection.strength().version()) {
            throw wrong("PDF " + style.version() + " does not know this encryption; it came with PDF " + protection.strength().version() + ". Choose a later version, or another strength.");
        }
        if (style.linearized() && protection.isOn()) throw wrong("A file ordered for quick display can't be locked as well yet. Choose one of the two.");
        if (standard.part() == 1 && style.version() > 1.4) throw wrong(standard.words() + " is PDF 1.4; PDF " + style.version() + " contradicts it. Leave the version to the standard.");
        if (standard.part() > 1 && style.version() > 1.7) throw wrong(standard.words() + " is at most PDF 1.7; PDF " + style.version() + " contradicts it. Leave the version to the standard.");
        for (String password : List.of(protection.toOpen(), protection.toChange())) {
            if (!protection.isOn()) break;
            int bytes = password.getBytes(java.nio.charset.StandardCharsets.UTF_8).length;
            if (bytes > protection.strength().longest()) throw wrong("The password has " + bytes + " bytes; this strength takes " + protection.strength().longest() + ". Choose a shorter one, or AES with 256 bits.");
            boolean latin = java.nio.charset.StandardCharsets.ISO_8859_1.newEncoder().canEncode(password);
            if (protection.strength() != Protection.Strength.AES_256 && !latin) throw wrong("The password has letters that this strength can't carry. Use Latin letters and digits, or AES with 256 bits.");
        }
        if (protection.isOn() && !protection.toOpen().isEmpty() && protection.toOpen().equals(protection.toChange())) throw wrong("The password to open and the owner's are the same, so that whoever opens the file may do everything. Choose two.");
    }

    private static DecantException wrong(String sentence) { return new DecantException(DecantException.Kind.WRONG_CALL, sentence); }
}
