package app.decant.format.odf;

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

/** Text documents of OpenDocument (ISO/IEC 26300). */
public enum OdfFormat implements Format {
    ODT("odt", Group.TEXT) {
        @Override public boolean isOf(Content content) { return content.isOfMediaType("application/vnd.oasis.opendocument.text"); }
        @Override public Written write(Document document, Instant when) { return OdtWriter.write(document, when, false); }
    },
    OTT("ott", Group.TEMPLATE) {

        /** Templates read as documents do. */
        @Override public boolean isOf(Content content) { return false; }
        @Override public Written write(Document document, Instant when) { return OdtWriter.write(document, when, true); }
    };

    private final FormatName named;

    OdfFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }

    /** Labels of lists as this format can say them, and nothing of what was put in and taken out again, which is there neither way. */
    @Override public Document shown(Document document) {
        return TakenOutItems.plain(CameAndWent.without(TrackedChanges.withRowsAccepted(document))).withNumbering(document.numbering().each(OdtStyles::said));
    }

    @Override public boolean reads() { return true; }
    @Override public boolean writes() { return true; }
    @Override public boolean takesFonts() { return true; }
    @Override public boolean takesTrackedChanges() { return true; }
    @Override public boolean takesComments() { return true; }
    @Override public boolean takesForms() { return true; }
    @Override public boolean locks() { return true; }

    @Override public Taken read(Content content, String password, Progress progress) {
        return OdtReader.read(content.bytes(), content.name(), password, progress);
    }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
