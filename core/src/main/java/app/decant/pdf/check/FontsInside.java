package app.decant.pdf.check;

import java.io.IOException;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDAbstractPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDTilingPattern;

/** Finds all fonts that resources lead to, however deep (ISO 32000-1, 7.8.3), and tells which carry their program. */
public final class FontsInside {
    private final Map<COSDictionary, Boolean> fonts = new IdentityHashMap<>();
    private final Set<COSDictionary> seen = Collections.newSetFromMap(new IdentityHashMap<>());

    int count() { return fonts.size(); }

    int embedded() { return (int) fonts.values().stream().filter(Boolean::booleanValue).count(); }

    void look(PDResources resources) throws IOException {
        if (resources == null || !seen.add(resources.getCOSObject())) return;
        COSDictionary named = resources.getCOSObject().getCOSDictionary(COSName.FONT);
        for (COSName name : resources.getFontNames()) {
            // Pages mostly name the same few.
            COSDictionary known = named == null ? null : named.getCOSDictionary(name);
            if (known != null && fonts.containsKey(known)) continue;
            PDFont font = resources.getFont(name);
            if (font == null) continue;
            // The glyphs of a type 3 font are streams of its own; nothing is left to the reader.
            fonts.put(font.getCOSObject(), font instanceof PDType3Font || font.isEmbedded() && !font.isDamaged());
            if (font instanceof PDType3Font drawn) look(drawn.getResources());
        }
        for (COSName name : resources.getXObjectNames()) {
            PDXObject object = resources.isImageXObject(name) ? null : resources.getXObject(name);
            if (object instanceof PDFormXObject form) look(form.getResources());
        }
        for (COSName name : resources.getPatternNames()) {
            PDAbstractPattern pattern = resources.getPattern(name);
            if (pattern instanceof PDTilingPattern tiling) look(tiling.getResources());
        }
    }
}
