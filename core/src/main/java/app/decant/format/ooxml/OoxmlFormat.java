package app.decant.format.ooxml;

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

/** Text documents of Office Open XML (ISO/IEC 29500). */
public enum OoxmlFormat implements Format {
    DOCX("docx", Group.TEXT) {

        @Override public boolean isOf(Content content) {
            return content.hasContentType("wordprocessingml.document.main") && !DOCM.isOf(content) && !DOTX.isOf(content) || content.hasFolder("word");
        }

        @Override public Written write(Document document, Instant when) { return DocxWriter.written(document, when, false); }
    },
    DOCM("docm", Group.TEXT) {
        @Override public boolean isOf(Content content) {
            return content.hasContentType("ms-word.document.macroEnabled") || content.hasContentType("ms-word.template.macroEnabled");
        }

        @Override public boolean writes() { return false; }
    },
    DOTX("dotx", Group.TEMPLATE) {
        @Override public boolean isOf(Content content) { return content.hasContentType("wordprocessingml.template"); }
        @Override public Written write(Document document, Instant when) { return DocxWriter.written(document, when, true); }
    };

    private final FormatName named;

    OoxmlFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }
    @Override public boolean reads() { return true; }
    @Override public boolean writes() { return true; }
    @Override public boolean locks() { return true; }
    @Override public boolean takesFonts() { return true; }
    @Override public boolean takesTrackedChanges() { return true; }
    @Override public boolean takesComments() { return true; }
    @Override public boolean takesForms() { return true; }
    @Override public boolean takesControls() { return true; }

    @Override public Taken read(Content content, String password, Progress progress) { return DocxReader.read(content.bytes(), this == DOCM, progress); }

    @Override public Document beginning(Content content, int blocks) { return DocxReader.beginning(content.bytes(), blocks); }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
