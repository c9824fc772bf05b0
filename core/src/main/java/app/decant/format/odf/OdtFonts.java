package app.decant.format.odf;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FontFile;
import app.decant.font.BroughtFonts;
import app.decant.font.Face;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;

/** Fonts inside an OpenDocument file: declared with a style and a weight, their files beside the text (ISO/IEC 26300-1, 16.23 and 17). */
final class OdtFonts {
    private OdtFonts() { }

    /** The fonts that declarations lead to. @param find told of those that are damaged */
    static List<FontFile> read(XmlNode declarations, Function<String, byte[]> part, Consumer<Finding> find) {
        List<FontFile> fonts = new ArrayList<>();
        if (declarations == null) return fonts;
        for (XmlNode face : declarations.children("style:font-face")) {
            XmlNode source = face.child("svg:font-face-src");
            if (source == null) continue;
            String family = face.get("svg:font-family", face.get("style:name", "")).replaceAll("^['\"]|['\"]$", "");
            List<XmlNode> files = source.children("svg:font-face-uri");
            for (XmlNode uri : files) {
                byte[] bytes = part.apply(uri.get("xlink:href", ""));
                if (bytes == null) continue;
                String weight = face.get("svg:font-weight", "");
                String slant = face.get("svg:font-style", "");
                try {
                    // Where one declaration leads to several files, each says itself which style it is.
                    int own = Face.styleOf(bytes);
                    boolean told = files.size() == 1;
                    boolean bold = told && !weight.isEmpty() ? weight.equals("bold") || weight.matches("[6-9]00") : (own & 1) != 0;
                    boolean italic = told && !slant.isEmpty() ? slant.equals("italic") || slant.equals("oblique") : (own & 2) != 0;
                    // Some characters only: then the font's name begins with six letters and a plus.
                    boolean some = BroughtFonts.face(new FontFile(family, bold, italic, false, bytes)).postScriptName().matches("[A-Z]{6}\\+.*");
                    fonts.add(new FontFile(family, bold, italic, some, bytes));
                } catch (DecantException e) {
                    find.accept(Finding.lost(Message.of("odf.the-font-inside-the-file-is-damaged", family)));
                }
            }
        }
        return fonts;
    }

    /** Where each font's file goes. */
    static Map<FontFile, String> places(Document document) {
        Map<FontFile, String> places = new LinkedHashMap<>();
        for (FontFile font : document.fonts()) places.put(font, "Fonts/font" + (places.size() + 1) + (isCompact(font) ? ".otf" : ".ttf"));
        return places;
    }

    static String type(FontFile font) { return isCompact(font) ? "application/vnd.ms-opentype" : "application/x-font-ttf"; }

    private static boolean isCompact(FontFile font) { return font.bytes().length > 4 && font.bytes()[0] == 'O'; }

    /** Declares a family: as a name only, and once more for each style that has its file inside. */
    static void declare(XmlWriter xml, String family, Map<FontFile, String> places) {
        String quoted = "'" + family.replace("'", "") + "'";
        boolean named = false;
        for (Map.Entry<FontFile, String> place : places.entrySet()) {
            FontFile font = place.getKey();
            if (!font.family().equalsIgnoreCase(family)) continue;
            boolean regular = !font.bold() && !font.italic();
            named |= regular;
            xml.open("style:font-face", "style:name", regular ? family : family + (font.bold() ? " Bold" : "") + (font.italic() ? " Italic" : ""),
                    "svg:font-family", quoted, "svg:font-weight", font.bold() ? "bold" : "normal", "svg:font-style", font.italic() ? "italic" : "normal");
            xml.open("svg:font-face-src").open("svg:font-face-uri", "xlink:href", place.getValue(), "xlink:type", "simple");
            xml.leaf("svg:font-face-format", "svg:string", isCompact(font) ? "opentype" : "truetype").close().close().close();
        }
        if (!named) xml.leaf("style:font-face", "style:name", family, "svg:font-family", quoted);
    }
}
