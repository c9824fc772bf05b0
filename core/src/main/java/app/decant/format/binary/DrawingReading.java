package app.decant.format.binary;

import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.format.FormTold;
import app.decant.format.binary.Modifiers.Modifier;
import app.decant.words.Message;
import java.util.List;
import java.util.Locale;
import org.slf4j.LoggerFactory;

/** Reads pictures that stand in lines (MS-DOC 2.9.192), and what form fields say of themselves. */
final class DrawingReading {
    private final StoredText stored;
    private final List<Finding> findings;

    DrawingReading(StoredText stored, List<Finding> findings) {
        this.stored = stored;
        this.findings = findings;
    }

    /** What is said of a form field where its data are told of, or null. */
    FormTold form(List<Modifier> properties) {
        boolean data = false;
        int place = -1;
        for (Modifier one : properties) {
            if (one.code() == 0x6A03) place = one.four();
            if (one.code() == 0x0806) data = one.on();
        }
        return data ? FormReading.of(stored.data(), place) : null;
    }

    /** The picture a sign stands for, or null where it has none. */
    Inline inline(List<Modifier> properties, Look look) {
        Integer place = null;
        for (Modifier one : properties) {
            if (one.code() == 0x6A03) place = one.four();
            // Data of a form field, not a picture.
            if (one.code() == 0x0806 && one.on()) return null;
        }
        if (place == null) return null;
        try {
            Picture picture = stored.picture(place);
            return picture == null ? null : new Inline.InlinePicture(picture, look);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(DrawingReading.class).info("A picture can't be read", e);
            findings.add(Finding.lost(Message.of("binary.a-picture-cannot-be-read")));
            return null;
        }
    }

    static Insets sane(Insets crop) {
        for (double side : new double[] {crop.top(), crop.right(), crop.bottom(), crop.left()}) if (!(side > -1 && side < 1)) return Insets.NONE;
        return crop;
    }

    static String blank(String text) { return text == null || text.isBlank() ? null : text; }

    static String type(String told, byte[] bytes) {
        if (bytes.length > 3 && bytes[0] == (byte) 0x89 && bytes[1] == 'P') return "image/png";
        if (bytes.length > 3 && bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xD8) return "image/jpeg";
        return told == null ? "image/unknown" : told.toLowerCase(Locale.ROOT);
    }
}
