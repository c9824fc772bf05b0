package app.decant.format.kept;

import app.decant.document.Progress;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.FormatFamily;
import app.decant.format.FormatName;
import app.decant.format.Taken;
import java.util.List;

/** The form in which the program keeps documents for itself, as a format that is read. */
public enum KeptFormat implements Format {
    KEPT(KeptDocument.ENDING, Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.isOfMediaType(KeptDocument.MEDIA_TYPE); }
        @Override public Taken read(Content content, String password, Progress progress) { return KeptDocument.read(content.bytes(), progress); }
    };

    private final FormatName named;

    KeptFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }
    @Override public boolean reads() { return true; }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
