package app.decant.page;

import java.util.List;
import java.util.Map;

/** A PDF whose own pages are published: what is not touched leaves as it came. Its bytes are not copied; do not change them. */
public final class Original {
    private final String name;
    private final byte[] bytes;
    private final String password;
    private final Map<String, String> answers;
    private final List<Note> notes;

    /**
     * @param name     what people call the file, for sentences
     * @param password that opened it, or null
     */
    public Original(String name, byte[] bytes, String password) { this(name, bytes, password, Map.of(), List.of()); }

    private Original(String name, byte[] bytes, String password, Map<String, String> answers, List<Note> notes) {
        this.name = name;
        this.bytes = bytes;
        this.password = password;
        this.answers = Map.copyOf(answers);
        this.notes = List.copyOf(notes);
    }

    /** The same, with what is filled into the fields of its form, by their full names. */
    public Original with(Map<String, String> filledIn) {
        return filledIn.equals(answers) ? this : new Original(name, bytes, password, filledIn, notes);
    }

    /** The same, with what is to become of notes on its pages. */
    public Original noted(List<Note> changed) { return changed.equals(notes) ? this : new Original(name, bytes, password, answers, changed); }

    public String name() { return name; }
    public byte[] bytes() { return bytes; }
    public String password() { return password; }
    public Map<String, String> answers() { return answers; }
    public List<Note> notes() { return notes; }

    /** Whether anything is filled in or noted. */
    public boolean isAddedTo() { return !answers.isEmpty() || !notes.isEmpty(); }

    /** Says nothing of its password. */
    @Override public String toString() { return "Original[" + name + ", " + bytes.length + " bytes]"; }
}
