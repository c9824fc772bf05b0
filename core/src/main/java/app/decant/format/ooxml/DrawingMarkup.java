package app.decant.format.ooxml;

import app.decant.document.Anchor;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Picture;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What a drawing says of its picture beyond where it stands, such as its frame and effects: given back as long as it stands as it did. */
final class DrawingMarkup {
    private static final String NAME = "w:drawing";
    /** How its picture stood when it was read. */
    private static final String PLACED = "placed";
    /** What is kept beside the properties of a run. */
    static final List<String> NAMES = List.of(NAME, PLACED);
    /** Links and other forms of the picture, which lie in other parts. */
    private static final Pattern POINTING = Pattern.compile("(?s)<a:(hlinkClick|hlinkHover|extLst)\\b(?:[^>]*/>|.*?</a:\\1>)");
    private static final Pattern EMBEDDED = Pattern.compile("r:embed=\"[^\"]*\"");
    private static final Pattern RELATION = Pattern.compile("\\br:(?!embed=)\\w+=\"");
    private static final Pattern NUMBER = Pattern.compile("(<wp:docPr\\b[^>]*?\\bid=\")[^\"]*");
    private static final Pattern HEIGHT = Pattern.compile("(<wp:anchor\\b[^>]*?\\brelativeHeight=\")[^\"]*");
    /** What counts in our own drawings. */
    private static final Pattern NUMBERS = Pattern.compile("(<wp:docPr id=\"| name=\"Object |relativeHeight=\"|r:embed=\")[^\"]*\"");
    /** The outermost of those that older programs do not know. */
    private static final Pattern NEWER = Pattern.compile("<(wps|wpg|wpc):(?:wsp|wgp|wpc)[ >]");

    private DrawingMarkup() { }

    /**
     * The look of the picture, with its drawing if that names no part but the picture.
     *
     * @param anchor of the picture, or null where it stands in its line
     */
    static Look keep(Look look, XmlNode drawing, Anchor anchor, Picture picture) {
        String markup = POINTING.matcher(drawing.markup()).replaceAll("");
        boolean alone = EMBEDDED.matcher(markup).results().count() <= 1 && !RELATION.matcher(markup).find();
        if (!alone || isOwn(markup, anchor, picture)) return look;
        return KeptMarkup.with(KeptMarkup.with(look, Markup.TEXT, NAME, markup), Markup.TEXT, PLACED, placed(anchor, picture));
    }

    private static String placed(Anchor anchor, Picture picture) {
        Anchor place = anchor == null ? null : anchor.withLevel(0);
        return place + " " + picture.width() + " " + picture.height() + " " + picture.crop() + " " + picture.rotation() + " " + picture.description();
    }

    /** Whether a drawing says no more than is written of every picture. */
    private static boolean isOwn(String markup, Anchor anchor, Picture picture) {
        XmlWriter xml = new XmlWriter();
        xml.open("all", DocxWriter.NAMESPACES);
        DrawingWriter.picture(xml, anchor == null ? null : anchor.withLevel(-DrawingWriter.LEVEL), picture, "0", 0);
        XmlNode own = XmlReader.tree(xml.close().bytes(), NAME).child(NAME);
        return own.equals(XmlReader.tree(NUMBERS.matcher(markup).replaceAll("$10\"").getBytes(StandardCharsets.UTF_8), NAME));
    }

    /** Whether the look holds the drawing of a picture that stands as it did when it was read. */
    static boolean holds(Look look, Anchor anchor, Picture picture) {
        return placed(anchor, picture).equals(KeptMarkup.beside(look, Markup.TEXT, PLACED));
    }

    /** Whether the drawing of a look shows a picture, and no shape. */
    static boolean showsPicture(Look look) { return EMBEDDED.matcher(KeptMarkup.beside(look, Markup.TEXT, NAME)).find(); }

    /**
     * The drawing that a look holds.
     *
     * @param relation what leads to the picture now; null for a shape
     * @param number   of the drawing in its file
     * @param level    of what floats; 0 too for what does not
     */
    static String of(Look look, String relation, int number, int level) {
        String kept = KeptMarkup.beside(look, Markup.TEXT, NAME);
        String led = relation == null ? kept : EMBEDDED.matcher(kept).replaceFirst("r:embed=\"" + relation + '"');
        String numbered = HEIGHT.matcher(NUMBER.matcher(led).replaceFirst("$1" + number)).replaceFirst("$1" + Math.max(0, DrawingWriter.LEVEL + level));
        // 29500-3, 9.3: programs that do not know such shapes are told so.
        Matcher newer = NEWER.matcher(numbered);
        if (!newer.find() || numbered.startsWith("<mc:AlternateContent")) return numbered;
        String name = newer.group(1);
        String declared = name.equals("wps") ? "" : " xmlns:" + name + "=\"" + (name.equals("wpg") ? XmlNames.WPG : XmlNames.WPC) + '"';
        return "<mc:AlternateContent><mc:Choice" + declared + " Requires=\"" + name + "\">" + numbered + "</mc:Choice></mc:AlternateContent>";
    }
}
