package app.decant.format;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.ListLabels;
import app.decant.document.Walk;
import java.util.Objects;

/** Whether a format that counts lists in its own ways shows other labels than the document has. */
public final class OtherLabels {
    private OtherLabels() { }

    /** @param shown the document with the lists that the format has for those of the first */
    public static boolean in(Document document, Document shown) {
        if (document.numbering().equals(shown.numbering())) return false;
        ListLabels before = ListLabels.of(document, Cascade.of(document));
        ListLabels after = ListLabels.of(shown, Cascade.of(shown));
        return Walk.of(document).stops().stream().anyMatch(stop -> !Objects.equals(before.label(stop.paragraph()), after.label(stop.paragraph())));
    }
}
