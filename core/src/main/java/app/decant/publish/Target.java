package app.decant.publish;

/** What a publication becomes. */
public enum Target {
    PDF("pdf", "a PDF"), DOCX("docx", "a .docx"), TXT("txt", "plain text");

    private final String ending;
    private final String words;

    Target(String ending, String words) {
        this.ending = ending;
        this.words = words;
    }

    public String ending() { return ending; }

    /** How it reads in a sentence. */
    public String words() { return words; }

    /** The target of this name, or null. */
    public static Target of(String name) {
        for (Target target : values()) if (target.ending.equalsIgnoreCase(name)) return target;
        return null;
    }
}
