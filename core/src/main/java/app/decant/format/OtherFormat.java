package app.decant.format;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.words.Message;
import java.util.List;

/** What is recognised so that it can be declined in a sentence, or that only wraps another kind. */
public enum OtherFormat implements Format {
    EMPTY("", Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.isEmpty(); }

        @Override public Taken read(Content content, String password, Progress progress) {
            throw new DecantException(Kind.UNREADABLE, Message.of("format.is-an-empty-file-there-is-nothing", content.name()));
        }
    },
    PROTECTED("", Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.hasStream("EncryptedPackage"); }

        @Override public Taken read(Content content, String password, Progress progress) {
            return Formats.read(OfficeLock.unlocked(content.bytes(), content.name(), password), content.name(), null, progress);
        }
    },
    PPTX("pptx", Group.DECK) {
        @Override public boolean isOf(Content content) { return content.hasContentType("presentationml") || content.hasFolder("ppt"); }
    },
    ODP("odp", Group.DECK) {
        @Override public boolean isOf(Content content) { return content.isOfMediaType("application/vnd.oasis.opendocument.presentation"); }
    },
    PPT("ppt", Group.DECK) {
        @Override public boolean isOf(Content content) { return content.hasStream("PowerPoint Document"); }
    },
    OLDER("", Group.OTHER) {
        /** The numbers that text documents of these generations begin with; common practice, from memory. */
        @Override public boolean isOf(Content content) {
            return content.startsWith(0xDB, 0xA5) || content.startsWith(0x9B, 0xA5) || content.startsWith(0x31, 0xBE, 0, 0);
        }
    },
    COMPOUND("", Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.isCompound(); }
    },
    ARCHIVE("zip", Group.OTHER) {
        @Override public boolean isOf(Content content) { return content.isArchive(); }
        @Override public Taken read(Content content, String password, Progress progress) { throw noDocument(content); }
    },
    UNKNOWN("", Group.OTHER) {
        /** Nothing else is it. */
        @Override public boolean isOf(Content content) { return false; }
        @Override public Taken read(Content content, String password, Progress progress) { throw noDocument(content); }
    };

    private final FormatName named;

    OtherFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }

    @Override public Taken read(Content content, String password, Progress progress) {
        if (group() == Group.OTHER) return Format.super.read(content, password, progress);
        throw new DecantException(Kind.UNSUPPORTED, Message.of("format.is-a-slide-deck", content.name(), phrase()));
    }

    DecantException noDocument(Content content) {
        return new DecantException(Kind.UNSUPPORTED, Message.of("format.is-not-a-document-its-content", content.name(), phrase()));
    }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
