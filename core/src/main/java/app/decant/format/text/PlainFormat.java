package app.decant.format.text;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.FormatFamily;
import app.decant.format.FormatName;
import app.decant.format.Taken;
import app.decant.format.Written;
import java.time.Instant;
import java.util.List;

/** Plain text. */
public enum PlainFormat implements Format {
    TXT("txt", Group.TEXT) {
        @Override public boolean isOf(Content content) { return !content.isEmpty() && content.isText(); }
        @Override public Taken read(Content content, String password, Progress progress) { return TextReader.read(content.bytes(), null, progress); }
        @Override public Written write(Document document, Instant when) { return TextWriter.write(document, PlainText.PLAIN); }
        @Override public boolean takesFacts() { return false; }
    };

    private final FormatName named;

    PlainFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }
    @Override public boolean reads() { return true; }
    @Override public boolean writes() { return true; }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
