package app.decant.format.rtf;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.document.TrackedChanges;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.FormatFamily;
import app.decant.format.FormatName;
import app.decant.format.Taken;
import app.decant.format.Written;
import java.time.Instant;
import java.util.List;

/** Rich Text Format. */
public enum RtfFormat implements Format {
    RTF("rtf", Group.TEXT) {
        @Override public boolean isOf(Content content) { return content.startsWith('{', '\\', 'r', 't'); }
        @Override public Written write(Document document, Instant when) { return RtfWriter.write(document, when); }
        @Override public Taken read(Content content, String password, Progress progress) { return RtfReader.read(content.bytes(), content.name(), progress); }
    };

    private final FormatName named;

    RtfFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }

    /** Levels of lists begin again after any outer one or never. */
    @Override public Document shown(Document document) {
        return TrackedChanges.withRowsAccepted(document).withNumbering(document.numbering().each((level, depth) -> RtfWriter.restarting(level)));
    }

    @Override public boolean takesTrackedChanges() { return true; }
    @Override public boolean takesComments() { return true; }
    @Override public boolean takesForms() { return true; }
    @Override public boolean reads() { return true; }
    @Override public boolean writes() { return true; }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
