package app.decant.format.binary;

import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.format.FormTold;
import app.decant.format.binary.Modifiers.Modifier;
import app.decant.picture.PictureFile;
import app.decant.words.Message;
import java.util.List;
import java.util.Locale;
import org.apache.poi.hwpf.HWPFDocument;
import org.slf4j.LoggerFactory;

/** Reads pictures that stand in lines (MS-DOC 2.9.192), and what form fields say of themselves. */
final class DrawingReading {
    private final HWPFDocument file;
    private final List<Finding> findings;

    DrawingReading(HWPFDocument file, List<Finding> findings) {
        this.file = file;
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
        return data ? FormReading.of(file.getDataStream(), place) : null;
    }

    /** The picture a sign stands for, or null where it has none. */
    Inline inline(List<Modifier> properties, Look look) {
        Integer place = null;
        for (Modifier one : properties) {
            if (one.code() == 0x6A03) place = one.four();
            // Data of a form field, not a picture.
            if (one.code() == 0x0806 && one.on()) return null;
        }
        byte[] data = file.getDataStream();
        if (place == null || data == null || place < 0 || place + 68 > data.length) return null;
        try {
            org.apache.poi.hwpf.usermodel.Picture read = new org.apache.poi.hwpf.usermodel.Picture(place, data, true);
            byte[] told = read.getContent();
            if (told == null || told.length == 0) return null;
            byte[] bytes = PictureFile.withHeader(told);
            double width = read.getDxaGoal() / 20.0 * read.getHorizontalScalingFactor() / 1000.0;
            double height = read.getDyaGoal() / 20.0 * read.getVerticalScalingFactor() / 1000.0;
            Insets crop = new Insets(read.getCropTop() / 65536, read.getCropRight() / 65536, read.getCropBottom() / 65536, read.getCropLeft() / 65536);
            return new Inline.InlinePicture(new Picture(new Image(type(read.getMimeType(), bytes), bytes), Math.max(1, width), Math.max(1, height),
                    sane(crop), 0, blank(read.getDescription())), look);
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
