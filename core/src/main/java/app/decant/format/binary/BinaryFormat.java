package app.decant.format.binary;

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

/** Binary text documents of 1997-2003 ([MS-DOC]). */
public enum BinaryFormat implements Format {
    DOC("doc", Group.TEXT) {
        @Override public boolean isOf(Content content) { return content.hasStream("WordDocument") && !content.hasStream("EncryptedPackage"); }
        @Override public Written write(Document document, Instant when) { return DocWriter.write(document, when, false); }
    },
    DOT("dot", Group.TEMPLATE) {

        /** Templates read as documents do. */
        @Override public boolean isOf(Content content) { return false; }
        @Override public Written write(Document document, Instant when) { return DocWriter.write(document, when, true); }
    };

    private final FormatName named;

    BinaryFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }
    @Override public boolean reads() { return true; }
    @Override public boolean writes() { return true; }
    @Override public boolean takesForms() { return true; }

    @Override public Taken read(Content content, String password, Progress progress) {
        return DocReader.read(content.bytes(), content.name(), password, progress);
    }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
