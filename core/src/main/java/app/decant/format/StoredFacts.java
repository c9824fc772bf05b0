package app.decant.format;

import app.decant.document.Facts;
import java.io.IOException;
import java.util.Map;
import org.apache.poi.hpsf.HPSFException;
import org.apache.poi.hpsf.PropertySetFactory;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.poifs.filesystem.DirectoryNode;
import org.slf4j.LoggerFactory;

/** What the property set of a binary file says of the document as a whole ([MS-OLEPS], 2.25; the common library reads it). */
public final class StoredFacts {
    private StoredFacts() { }

    /** What a container says; nothing where it says nothing that can be read. */
    public static Facts in(DirectoryNode root) throws IOException {
        if (!root.hasEntryCaseInsensitive(SummaryInformation.DEFAULT_STREAM_NAME)) return Facts.NONE;
        try {
            return PropertySetFactory.create(root, SummaryInformation.DEFAULT_STREAM_NAME) instanceof SummaryInformation summary ? of(summary, Map.of())
                    : Facts.NONE;
        } catch (HPSFException | RuntimeException e) {
            LoggerFactory.getLogger(StoredFacts.class).info("What is told of the file can't be read", e);
            return Facts.NONE;
        }
    }

    /** @param summary or null */
    public static Facts of(SummaryInformation summary, Map<String, String> others) {
        if (summary == null) return Facts.NONE;
        return new Facts(text(summary.getTitle()), text(summary.getSubject()), text(summary.getAuthor()), text(summary.getKeywords()), null,
                summary.getCreateDateTime() == null ? null : summary.getCreateDateTime().toInstant(), summary.getLastSaveDateTime() == null ? null
                        : summary.getLastSaveDateTime().toInstant(), others);
    }

    /** What says something, else null. */
    public static String text(String told) { return told == null || told.isBlank() ? null : told; }
}
