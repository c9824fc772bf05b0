package app.decant.format;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.format.formula.FormulaPictures;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.ServiceLoader;
import java.util.Set;

/** All formats there are. */
public final class Formats {
    private static final List<Format> ALL = all(ServiceLoader.load(FormatFamily.class, Formats.class.getClassLoader()));

    private Formats() { }

    private static List<Format> all(Iterable<FormatFamily> families) {
        List<Format> all = new ArrayList<>();
        for (FormatFamily family : families) all.addAll(family.formats());
        return List.copyOf(all);
    }

    public static List<Format> all() { return ALL; }

    /** What a file is, told by its content; its name decides only between kinds whose content is alike. */
    public static Format of(Content content) {
        for (Format format : ALL) if (format.isOf(content)) return format;
        return OtherFormat.UNKNOWN;
    }

    /** The same of a file whose name is not known. */
    public static Format of(byte[] file) { return of(new Content(file, "")); }

    /** The format that files with this ending are usually of, or null. */
    public static Format called(String ending) {
        String plain = ending.toLowerCase(Locale.ROOT);
        for (Format format : ALL) if (format.endings().contains(plain)) return format;
        return null;
    }

    /** Whether a file opens by a password, or with none where that is null. */
    public static boolean opens(byte[] file, String name, String password) {
        Content content = new Content(file, name);
        return of(content).opens(content, password);
    }

    /**
     * Takes a document in, whatever it is.
     *
     * @param name     what people call the file, for sentences
     * @param password for protected files, or null
     * @throws app.decant.document.DecantException with a sentence that says why it can't be opened
     */
    public static Taken read(byte[] file, String name, String password, Progress progress) {
        Content content = new Content(file, name);
        Format format = of(content);
        return told(format.read(content, password, progress), format, content);
    }

    /** The same for those who want nothing but its words. */
    public static Taken words(byte[] file, String name, String password, Progress progress) {
        Content content = new Content(file, name);
        Format format = of(content);
        return told(format.words(content, password, progress), format, content);
    }

    /** The first blocks of a document; null where only all of it can be read. */
    public static Document beginning(byte[] file, String name, int blocks) {
        Content content = new Content(file, name);
        Document beginning = of(content).beginning(content, blocks);
        return beginning == null ? null : readable(beginning);
    }

    /** With signs that can be read and formulas that can be seen. */
    private static Document readable(Document document) { return FormulaPictures.of(PictorialText.of(document)); }

    private static Taken told(Taken taken, Format format, Content content) {
        // What comes from places in a file is what its own reader made of them.
        Taken readable = taken.provenance() == Provenance.NONE ? taken.with(readable(taken.document())) : taken;
        // What only wraps another kind has said itself what that is.
        if (readable.format() != null) return readable;
        Format meant = content.ending().isEmpty() ? null : called(content.ending());
        if (meant == null || !misleads(meant, format)) return readable.as(format);
        return readable.as(format).telling(Finding.changed(Message.of("format.its-name-says-otherwise", content.name(), meant.phrase(), format.phrase())));
    }

    /** Whether whoever goes by the name of a file expects something else: such as a page that asks to log in, saved in place of a PDF. */
    private static boolean misleads(Format meant, Format is) {
        Set<Format.Group> texts = Set.of(Format.Group.TEXT, Format.Group.TEMPLATE);
        boolean alike = meant.group() == is.group() || texts.contains(meant.group()) && texts.contains(is.group());
        boolean plain = is.ending().equals("txt") && !Set.of("txt", "md", "html").contains(meant.ending());
        return !alike || plain;
    }
}
