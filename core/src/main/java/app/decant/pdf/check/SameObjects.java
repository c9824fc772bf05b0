package app.decant.pdf.check;

import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.font.PDFontFactory;
import org.slf4j.LoggerFactory;

/**
 * Compares objects of two files all the way down (ISO 32000-2, 7.3): streams by their bytes as they lie there, all else by value. Entries that lead back up
 * to pages and tags are not followed.
 */
final class SameObjects {
    private static final Set<String> UPWARDS = Set.of("Parent", "P", "Pg", "Length", "A", "AA", "Dest", "StructParent", "StructParents", "LastModified");
    /** What packing a picture or a stream anew may change; its type may be left out. */
    private static final Set<String> PACKING = Set.of("Type", "Filter", "DecodeParms", "Decode", "ColorSpace", "BitsPerComponent", "Width", "Height");

    /** What repairing for a standard changes without changing what is seen. */
    private static final Set<String> REPAIRED = Set.of("CIDSet", "CharSet", "Flags", "Interpolate", "Alternates", "OPI", "PS", "Subtype2", "TR", "TR2", "HTP",
            "DefaultRGB", "DefaultCMYK", "Metadata", "Group", "Properties");
    private static final List<COSName> PROGRAMS = List.of(COSName.FONT_FILE, COSName.FONT_FILE2, COSName.FONT_FILE3);

    private final boolean pictures;
    private final boolean packing;
    private final boolean repaired;
    private final Map<COSBase, Set<COSBase>> met = new IdentityHashMap<>();

    /**
     * @param pictures whether pictures may have been packed anew
     * @param packing  whether streams may be packed otherwise and hold the same
     * @param repaired whether a standard, or a wish for fonts, may have put fonts into the second and taken out what shows nothing
     */
    SameObjects(boolean pictures, boolean packing, boolean repaired) {
        this.pictures = pictures;
        this.packing = packing;
        this.repaired = repaired;
    }

    boolean same(COSBase told, COSBase other) throws IOException {
        COSBase a = plain(told);
        COSBase b = plain(other);
        if (a == null || b == null) return a == b;
        if (a instanceof COSDictionary || a instanceof COSArray) {
            // What is being compared further up is taken as the same here.
            if (!met.computeIfAbsent(a, key -> Collections.newSetFromMap(new IdentityHashMap<>())).add(b)) return true;
        }
        if (repaired && isPutIn(a, b)) return same(((COSDictionary) a).getItem(COSName.WIDTHS), ((COSDictionary) b).getItem(COSName.WIDTHS), true);
        if (a instanceof COSStream stream) return b instanceof COSStream twin && sameStream(stream, twin);
        if (a instanceof COSDictionary dictionary)
            return b instanceof COSDictionary twin && !(b instanceof COSStream) && sameEntries(dictionary, twin, Set.of());
        if (a instanceof COSArray array) {
            if (!(b instanceof COSArray twin) || array.size() != twin.size()) return false;
            for (int i = 0; i < array.size(); i++) if (!same(array.get(i), twin.get(i))) return false;
            return true;
        }
        if (a instanceof COSNumber number) return b instanceof COSNumber twin && number.floatValue() == twin.floatValue();
        if (a instanceof COSString string) return b instanceof COSString twin && Arrays.equals(string.getBytes(), twin.getBytes());
        if (a instanceof COSName || a instanceof COSBoolean) return a.equals(b);
        return a.getClass() == b.getClass();
    }

    /** What was not told may be told now. */
    private boolean same(COSBase told, COSBase other, boolean added) throws IOException { return added && plain(told) == null || same(told, other); }

    /** Whether a font that one file only names is inside the other. */
    private static boolean isPutIn(COSBase a, COSBase b) {
        return a instanceof COSDictionary before && b instanceof COSDictionary after && before.containsKey(COSName.BASE_FONT)
                && after.containsKey(COSName.BASE_FONT) && !hasProgram(before) && hasProgram(after);
    }

    /** Whether a font is inside its file and can be used: one made of drawings is, and a composite one if its descendant is. */
    static boolean hasProgram(COSDictionary font) {
        if (font == null || COSName.TYPE3.equals(font.getCOSName(COSName.SUBTYPE))) return true;
        COSArray descendants = font.getCOSArray(COSName.DESCENDANT_FONTS);
        if (descendants != null && descendants.size() > 0 && descendants.getObject(0) instanceof COSDictionary descendant) return hasProgram(descendant);
        COSDictionary descriptor = font.getCOSDictionary(COSName.FONT_DESC);
        return descriptor != null && PROGRAMS.stream().anyMatch(descriptor::containsKey) && !isDamaged(font);
    }

    private static boolean isDamaged(COSDictionary font) {
        try {
            COSName kind = font.getCOSName(COSName.SUBTYPE);
            boolean simple = COSName.TYPE1.equals(kind) || COSName.TRUE_TYPE.equals(kind) || COSName.MM_TYPE1.equals(kind);
            return simple && !PDFontFactory.createFont(font).isEmbedded();
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(SameObjects.class).info("The font {} can't be read", font.getNameAsString(COSName.BASE_FONT), e);
            return true;
        }
    }

    private static COSBase plain(COSBase told) {
        COSBase value = told instanceof COSObject object ? object.getObject() : told;
        return value == COSNull.NULL ? null : value;
    }

    private boolean sameStream(COSStream a, COSStream b) throws IOException {
        boolean picture = COSName.IMAGE.equals(a.getCOSName(COSName.SUBTYPE));
        if (picture && pictures) return sameEntries(a, b, PACKING);
        if (sameBytes(a, b, false)) return sameEntries(a, b, Set.of());
        return packing && !picture && sameBytes(a, b, true) && sameEntries(a, b, PACKING);
    }

    static boolean sameBytes(COSStream a, COSStream b, boolean unpacked) throws IOException {
        try (InputStream one = unpacked ? a.createInputStream() : a.createRawInputStream(); InputStream two = unpacked ? b.createInputStream()
                : b.createRawInputStream()) {
            return Arrays.equals(one.readAllBytes(), two.readAllBytes());
        }
    }

    /** An encoding that a font for signs must not name; texts, resources, spaces of colours and fonts where there were none. */
    private static boolean isRepaired(String name, COSDictionary before, COSDictionary after) {
        boolean added = !before.containsKey(COSName.getPDFName(name));
        return switch (name) {
            case "Encoding" -> COSName.TRUE_TYPE.equals(before.getCOSName(COSName.SUBTYPE));
            case "CIDToGIDMap", "Resources", "ColorSpace", "ToUnicode" -> added;
            default -> added && after.getDictionaryObject(COSName.getPDFName(name)) instanceof COSDictionary font
                    && COSName.FONT.equals(font.getCOSName(COSName.TYPE));
        };
    }

    private boolean sameEntries(COSDictionary a, COSDictionary b, Set<String> but) throws IOException {
        Set<String> names = new TreeSet<>();
        a.keySet().forEach(name -> names.add(name.getName()));
        b.keySet().forEach(name -> names.add(name.getName()));
        for (String name : new HashSet<>(names)) {
            if (UPWARDS.contains(name) || but.contains(name) || repaired && (REPAIRED.contains(name) || isRepaired(name, a, b))) continue;
            if (!same(a.getItem(COSName.getPDFName(name)), b.getItem(COSName.getPDFName(name)))) return false;
        }
        return true;
    }
}
