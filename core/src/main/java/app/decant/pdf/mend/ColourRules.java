package app.decant.pdf.mend;

import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;

/**
 * Tells what the numbers of colours mean (ISO 19005-2, 6.2.3 and 6.2.4.3): an output intent for the whole, and for colours of other kinds than it is of a
 * space that readers take in place of the device's.
 */
public final class ColourRules {
    private static final COSName ARCHIVE_INTENT = COSName.getPDFName("GTS_PDFA1");
    private static final String SCREEN = "sRGB IEC61966-2.1";

    private final PDDocument pdf;
    private COSArray screen;
    private COSArray print;

    private ColourRules(PDDocument pdf) { this.pdf = pdf; }

    /**
     * Says it for a file that says nothing yet.
     *
     * @param inks whether colours of four inks are to be told too; they are rare, and the space takes room
     */
    static void keep(PDDocument pdf, boolean inks) throws IOException {
        ColourRules rules = new ColourRules(pdf);
        int components = rules.intent();
        if (components == 3 && !inks) return;
        rules.spaces(components != 3, inks && components != 4);
    }

    /** An output intent for archives: what is there already, the one of another standard shared, or the colours of screens. Its number of components. */
    private int intent() throws IOException {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        COSArray intents = catalog.getCOSArray(COSName.OUTPUT_INTENTS);
        if (intents == null) catalog.setItem(COSName.OUTPUT_INTENTS, intents = new COSArray());
        COSStream profile = null;
        for (int i = 0; i < intents.size(); i++) {
            if (!(intents.getObject(i) instanceof COSDictionary intent)) continue;
            COSBase told = intent.getDictionaryObject(COSName.DEST_OUTPUT_PROFILE);
            if (!(told instanceof COSStream stream)) continue;
            if (ARCHIVE_INTENT.equals(intent.getCOSName(COSName.S))) return stream.getInt(COSName.N);
            profile = stream;
        }
        if (profile == null) profile = stream(screenProfile(), 3);
        intents.add(archive(profile));
        return profile.getInt(COSName.N);
    }

    /** The intent of an archive file. */
    private static COSDictionary archive(COSStream profile) {
        COSDictionary intent = new COSDictionary();
        intent.setItem(COSName.TYPE, COSName.OUTPUT_INTENT);
        intent.setItem(COSName.S, ARCHIVE_INTENT);
        String condition = profile.getInt(COSName.N) == 3 ? SCREEN : "Custom";
        for (COSName name : new COSName[] {COSName.INFO, COSName.OUTPUT_CONDITION, COSName.OUTPUT_CONDITION_IDENTIFIER}) intent.setString(name, condition);
        intent.setItem(COSName.DEST_OUTPUT_PROFILE, profile);
        return intent;
    }

    private void spaces(boolean screens, boolean inks) throws IOException {
        if (screens) screen = space(screenProfile(), 3);
        if (inks) {
            // The profile by which colours of inks are painted here too, so that the look stays.
            try (InputStream in = PDResources.class.getResourceAsStream("/org/apache/pdfbox/resources/icc/CGATS001Compat-v2-micro.icc")) {
                if (in == null) throw new IOException("The profile of printing inks is not there");
                print = space(in.readAllBytes(), 4);
            }
        }
        FileObjects.each(pdf, dictionary -> {
            COSDictionary resources = dictionary.getCOSDictionary(COSName.RESOURCES);
            if (resources == null) return;
            COSDictionary spaces = resources.getCOSDictionary(COSName.COLORSPACE);
            if (spaces == null) resources.setItem(COSName.COLORSPACE, spaces = new COSDictionary());
            if (screen != null && !spaces.containsKey(COSName.DEFAULT_RGB)) spaces.setItem(COSName.DEFAULT_RGB, screen);
            if (print != null && !spaces.containsKey(COSName.DEFAULT_CMYK)) spaces.setItem(COSName.DEFAULT_CMYK, print);
        });
    }

    private COSArray space(byte[] profile, int components) throws IOException {
        COSArray space = new COSArray();
        space.add(COSName.ICCBASED);
        space.add(stream(profile, components));
        return space;
    }

    private COSStream stream(byte[] profile, int components) throws IOException {
        COSStream stream = pdf.getDocument().createCOSStream();
        stream.setInt(COSName.N, components);
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(profile);
        }
        return stream;
    }

    private static byte[] screenProfile() { return ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData(); }
}
