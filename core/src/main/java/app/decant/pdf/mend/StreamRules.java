package app.decant.pdf.mend;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/** How streams are packed, and what pictures, forms, graphics states and pages may say (ISO 19005-2, 6.1.7, 6.2.2, 6.2.5, 6.2.8 and 6.2.9). */
final class StreamRules {
    private static final Set<String> OLD_PACKING = Set.of("LZWDecode", "LZW");
    private static final Set<String> SHARED = Set.of("Font", "XObject", "ExtGState", "ColorSpace", "Pattern", "Shading", "Properties");

    private StreamRules() { }

    /** @throws IOException where a stream can't be packed anew */
    static void keep(PDDocument pdf) throws IOException {
        try {
            FileObjects.each(pdf, dictionary -> {
                state(dictionary);
                if (!(dictionary instanceof COSStream stream)) return;
                repack(stream);
                if (COSName.IMAGE.equals(stream.getCOSName(COSName.SUBTYPE))) picture(stream);
                for (String entry : List.of("OPI", "PS", "Subtype2")) stream.removeItem(COSName.getPDFName(entry));
            });
        } catch (UncheckedIOException e) {
            throw e.getCause();
        }
        for (PDPage page : pdf.getPages()) resources(page);
    }

    /** Packed by a way that archives do not take. */
    private static void repack(COSStream stream) {
        COSBase filter = stream.getDictionaryObject(COSName.FILTER);
        boolean old = filter instanceof COSName name && OLD_PACKING.contains(name.getName());
        if (filter instanceof COSArray several)
            for (int i = 0; i < several.size(); i++) old |= several.getObject(i) instanceof COSName name && OLD_PACKING.contains(name.getName());
        if (!old) return;
        try {
            byte[] plain;
            try (var in = stream.createInputStream()) {
                plain = in.readAllBytes();
            }
            stream.removeItem(COSName.DECODE_PARMS);
            try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
                out.write(plain);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void picture(COSStream picture) {
        if (picture.getBoolean(COSName.INTERPOLATE, false)) picture.setBoolean(COSName.INTERPOLATE, false);
        picture.removeItem(COSName.getPDFName("Alternates"));
    }

    /** A graphics state may set no transfer function and no halftone's phase. */
    private static void state(COSDictionary dictionary) {
        if (!COSName.EXT_G_STATE.equals(dictionary.getCOSName(COSName.TYPE))) return;
        dictionary.removeItem(COSName.getPDFName("HTP"));
        for (String entry : List.of("TR", "TR2")) {
            COSName name = COSName.getPDFName(entry);
            COSName value = dictionary.getCOSName(name);
            if (value != null && Set.of("Identity", "Default").contains(value.getName())) dictionary.removeItem(name);
        }
    }

    /** What a page takes from above it must stand on itself, and a form without resources takes them from its page (6.2.2). */
    private static void resources(PDPage page) {
        if (page.getResources() == null) return;
        COSDictionary own = page.getResources().getCOSObject();
        if (!page.getCOSObject().containsKey(COSName.RESOURCES)) page.getCOSObject().setItem(COSName.RESOURCES, own);
        forms(own, own, 0);
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        for (int i = 0; annotations != null && i < annotations.size(); i++) {
            if (!(annotations.getObject(i) instanceof COSDictionary annotation) || annotation.getCOSDictionary(COSName.AP) == null) continue;
            if (annotation.getCOSDictionary(COSName.AP).getDictionaryObject(COSName.N) instanceof COSStream look
                    && look.getCOSDictionary(COSName.RESOURCES) == null) look.setItem(COSName.RESOURCES, new COSDictionary());
        }
    }

    private static void forms(COSDictionary resources, COSDictionary page, int depth) {
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        if (objects == null || depth > 24) return;
        for (COSName name : List.copyOf(objects.keySet())) {
            if (!(objects.getDictionaryObject(name) instanceof COSStream form) || !COSName.FORM.equals(form.getCOSName(COSName.SUBTYPE))) continue;
            COSDictionary own = form.getCOSDictionary(COSName.RESOURCES);
            if (own == null) {
                COSDictionary copy = new COSDictionary();
                for (COSName kind : page.keySet()) if (SHARED.contains(kind.getName())) copy.setItem(kind, page.getItem(kind));
                form.setItem(COSName.RESOURCES, copy);
            } else if (own != resources) {
                forms(own, page, depth + 1);
            }
        }
    }
}
