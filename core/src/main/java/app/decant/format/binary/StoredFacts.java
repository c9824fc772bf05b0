package app.decant.format.binary;

import app.decant.document.Facts;
import java.util.Map;
import org.apache.poi.hpsf.SummaryInformation;

/** What a file's property set says of the document as a whole ([MS-OLEPS], 2.25; the common library reads it). */
final class StoredFacts {
    private StoredFacts() { }

    /** @param summary or null */
    static Facts of(SummaryInformation summary, Map<String, String> others) {
        if (summary == null) return Facts.NONE;
        return new Facts(text(summary.getTitle()), text(summary.getSubject()), text(summary.getAuthor()), text(summary.getKeywords()), null,
                summary.getCreateDateTime() == null ? null : summary.getCreateDateTime().toInstant(), summary.getLastSaveDateTime() == null ? null
                        : summary.getLastSaveDateTime().toInstant(), others);
    }

    static String text(String told) { return told == null || told.isBlank() ? null : told; }
}
