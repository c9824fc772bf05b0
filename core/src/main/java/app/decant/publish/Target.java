package app.decant.publish;

import app.decant.format.TextFormat;

/** What a publication becomes. */
public enum Target {
    PDF(null), DOCX(TextFormat.DOCX), DOTX(TextFormat.DOTX), DOC(TextFormat.DOC), DOT(TextFormat.DOT), ODT(TextFormat.ODT), OTT(TextFormat.OTT),
            RTF(TextFormat.RTF), HTML(TextFormat.HTML), EPUB(TextFormat.EPUB), MD(TextFormat.MD), TXT(TextFormat.TXT);

    private final TextFormat format;

    Target(TextFormat format) { this.format = format; }

    /** The format of a text document, or null for a PDF. */
    public TextFormat format() { return format; }

    public String ending() { return format == null ? "pdf" : format.ending(); }

    /** How it reads in a sentence. */
    public String words() { return format == null ? "a PDF" : format.words(); }

    /** Whether files of it can be locked by a password. */
    public boolean canLock() { return this == PDF || this == DOCX || this == DOTX; }

    /** Whether fonts can travel in files of it. */
    public boolean takesFonts() { return this == DOCX || this == DOTX || this == ODT || this == OTT; }

    /** The target of this name, or null. */
    public static Target of(String name) {
        for (Target target : values()) if (target.ending().equalsIgnoreCase(name)) return target;
        return null;
    }
}
