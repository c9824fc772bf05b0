package app.decant.format;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import java.util.List;

/** What is recognised so that it can be declined in a sentence, or that only wraps another kind. */
public enum OtherFormat implements Format {
    EMPTY("", "empty file", Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.isEmpty(); }

        @Override public Taken read(Content content, String password, Progress progress) {
            throw new DecantException(Kind.UNREADABLE, content.name()
                    + " is an empty file; there is nothing in it to open. Ask for it again, or open an older copy.");
        }
    },
    PROTECTED("", "password-protected office file", Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.hasStream("EncryptedPackage"); }

        @Override public Taken read(Content content, String password, Progress progress) {
            return Formats.read(OfficeLock.unlocked(content.bytes(), content.name(), password), content.name(), null, progress);
        }
    },
    XLSX("xlsx", "Office Open XML workbook", Group.SHEET) {
        @Override public boolean isOf(Content content) { return content.hasContentType("spreadsheetml") || content.hasFolder("xl"); }
    },
    PPTX("pptx", "Office Open XML slide deck", Group.DECK) {
        @Override public boolean isOf(Content content) { return content.hasContentType("presentationml") || content.hasFolder("ppt"); }
    },
    ODS("ods", "OpenDocument workbook", Group.SHEET) {
        @Override public boolean isOf(Content content) { return content.isOfMediaType("application/vnd.oasis.opendocument.spreadsheet"); }
    },
    ODP("odp", "OpenDocument slide deck", Group.DECK) {
        @Override public boolean isOf(Content content) { return content.isOfMediaType("application/vnd.oasis.opendocument.presentation"); }
    },
    PPT("ppt", "binary slide deck of 1997-2003", Group.DECK) {
        @Override public boolean isOf(Content content) { return content.hasStream("PowerPoint Document"); }
    },
    XLS("xls", "binary workbook of 1997-2003", Group.SHEET) {
        @Override public boolean isOf(Content content) { return content.hasStream("Workbook") || content.hasStream("Book"); }
    },
    COMPOUND("", "binary office file of 1997-2003", Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.isCompound(); }
    },
    ARCHIVE("zip", "zip archive", Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.isArchive(); }
        @Override public Taken read(Content content, String password, Progress progress) { throw noDocument(content); }
    },
    UNKNOWN("", "file of unknown kind", Group.OTHER) {
        /** Nothing else is it. */
        @Override public boolean isOf(Content content) { return false; }
        @Override public Taken read(Content content, String password, Progress progress) { throw noDocument(content); }
    };

    private final FormatName named;

    OtherFormat(String ending, String kind, Group group) { named = new FormatName(ending, kind, group); }

    @Override public FormatName named() { return named; }

    @Override public Taken read(Content content, String password, Progress progress) {
        if (group() == Group.OTHER) return Format.super.read(content, password, progress);
        throw new DecantException(Kind.UNSUPPORTED, content.name() + " is " + phrase() + ". Workbooks and slide decks come in a later version.");
    }

    DecantException noDocument(Content content) {
        return new DecantException(Kind.UNSUPPORTED, content.name() + " is not a document: its content is " + phrase()
                + ". Look whether the right file was picked.");
    }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
