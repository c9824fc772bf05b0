package app.decant.format;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.words.Message;
import java.time.Instant;
import java.util.Locale;
import java.util.Set;

/**
 * A kind of file: how it is told from others, called, read and written. All that the program knows of a kind stands in what implements this; {@link Formats}
 * lists them.
 */
public interface Format {
    FormatName named();

    /** The ending of file names, without its stop; empty for what has no name of its own. */
    default String ending() { return named().ending(); }

    /** All endings by which such files are called. */
    default Set<String> endings() { return Set.of(ending()); }

    /** What the formats of one family tell it by; the key of its words. */
    String name();

    /** How it is called in a sentence, without an article. */
    default String kind() { return Message.of("format." + name().toLowerCase(Locale.ROOT)).toString(); }

    /** The kind with its article. */
    default Message phrase() { return Message.of("format.a." + name().toLowerCase(Locale.ROOT)); }

    /** How a result of it reads in a sentence, with its article. */
    default String words() {
        String key = "format.result." + name().toLowerCase(Locale.ROOT);
        return (Message.is(key) ? Message.of(key) : phrase()).toString();
    }

    default Group group() { return named().group(); }

    /** Whether a file is of this kind, by what is in it. */
    boolean isOf(Content content);

    /** Whether such files are taken in. */
    default boolean reads() { return false; }

    /**
     * Takes a document in.
     *
     * @param password for protected files, or null
     * @throws DecantException with a sentence that says why it can't be
     */
    default Taken read(Content content, String password, Progress progress) {
        throw new DecantException(Kind.UNSUPPORTED, Message.of("format.is-which-this-version-cannot-open-yet", content.name(), phrase()));
    }

    /** The same for those who want nothing but its words: what only serves its pages may be left undone. */
    default Taken words(Content content, String password, Progress progress) { return read(content, password, progress); }

    /**
     * The first blocks of a document, to be looked at while the rest is read; null where telling them takes as long as reading all.
     *
     * @throws DecantException where the file is damaged
     */
    default Document beginning(Content content, int blocks) { return null; }

    /**
     * Whether a file opens by a password, or with none.
     *
     * @param password to try, or null
     * @throws DecantException where it can't be opened for another reason
     */
    default boolean opens(Content content, String password) {
        try {
            return read(content, password, Progress.SILENT) != null;
        } catch (DecantException e) {
            if (e.kind() != Kind.NEEDS_PASSWORD) throw e;
            return false;
        }
    }

    /** Whether documents are written by {@link #write}. */
    default boolean writes() { return false; }

    /**
     * Writes a document, fields with the results they show.
     *
     * @param when recorded in the file as its time of making
     */
    default Written write(Document document, Instant when) { throw new UnsupportedOperationException(kind()); }

    /** Whether workbooks are written in it. */
    default boolean writesSheets() { return false; }

    /** Whether files of it can be locked by a password. */
    default boolean locks() { return false; }

    /** Whether fonts can travel in files of it. */
    default boolean takesFonts() { return false; }

    /** Whether it has a place for a title, an author and other facts. */
    default boolean takesFacts() { return true; }

    /** Whether it has a place for tracked changes that nobody has settled yet. */
    default boolean takesTrackedChanges() { return false; }

    /** Whether it has a place for forms that are still to be filled in. */
    default boolean takesForms() { return false; }

    /** Whether controls may stand round paragraphs and tables in it. */
    default boolean takesControls() { return false; }

    /** Whether it has a place for what people remarked on passages. */
    default boolean takesComments() { return false; }

    /** What of a document it has a place for as text: one that builds its own navigation has none for lists of contents. */
    default Document shown(Document document) { return document; }

    /** The signs by which text in it is compared with the document it was written from, the spaces between words apart. */
    default String compared(String text) { return text.replaceAll("[\\s\u00A0\u00AD]+", ""); }

    /** What such files are, for whoever chooses among many. */
    enum Group { TEXT, TEMPLATE, PDF, PICTURE, SHEET, DECK, OTHER }
}
