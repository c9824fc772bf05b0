package app.decant.publish;

import app.decant.format.Format;
import app.decant.format.Formats;
import java.util.ArrayList;
import java.util.List;

/** What a publication becomes: a PDF, made of pages, or a format that documents are written in. There is one of each. */
public final class Target {
    private static final List<Target> ALL = all();
    private static final List<Target> SHEETS = allSheets();

    public static final Target PDF = of("pdf");
    public static final Target DOCX = of("docx");
    public static final Target DOTX = of("dotx");
    public static final Target DOC = of("doc");
    public static final Target DOT = of("dot");
    public static final Target ODT = of("odt");
    public static final Target OTT = of("ott");
    public static final Target RTF = of("rtf");
    public static final Target HTML = of("html");
    public static final Target EPUB = of("epub");
    public static final Target MD = of("md");
    public static final Target TXT = of("txt");

    private final Format format;

    private Target(Format format) { this.format = format; }

    private static List<Target> all() {
        List<Target> all = new ArrayList<>();
        all.add(new Target(Formats.called("pdf")));
        for (Format format : Formats.all()) if (format.writes()) all.add(new Target(format));
        return List.copyOf(all);
    }

    private static List<Target> allSheets() {
        return Formats.all().stream().filter(Format::writesSheets).map(Target::new).toList();
    }

    /** The formats that workbooks are written in. */
    public static List<Target> sheets() { return SHEETS; }

    /** A PDF, then all formats in the order in which they are listed. */
    public static List<Target> values() { return ALL; }

    public Format format() { return format; }

    public String ending() { return format.ending(); }

    /** How it reads in a sentence. */
    public String words() { return format.words(); }

    /** Whether files of it can be locked by a password. */
    public boolean canLock() { return format.locks(); }

    /** Whether fonts can travel in files of it. */
    public boolean takesFonts() { return format.takesFonts(); }

    /** The target of this name, or null. */
    public static Target of(String name) {
        for (Target target : ALL) if (target.ending().equalsIgnoreCase(name)) return target;
        for (Target target : SHEETS) if (target.ending().equalsIgnoreCase(name)) return target;
        return null;
    }

    @Override public String toString() { return ending(); }
}
