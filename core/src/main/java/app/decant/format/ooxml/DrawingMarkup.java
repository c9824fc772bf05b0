package app.decant.format.ooxml;

import app.decant.document.Anchor;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Picture;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;

/** What a drawing says of its picture beyond where it stands, such as its frame and effects: given back as long as it stands as it did. */
final class DrawingMarkup {
    static final String NAME = "w:drawing";
    /** Links and other forms of the picture, which lie in other parts. */
    private static final Pattern POINTING = Pattern.compile("(?s)<a:(hlinkClick|hlinkHover|extLst)\\b(?:[^>]*/>|.*?</a:\\1>)");
    private static final Pattern EMBEDDED = Pattern.compile("r:embed=\"[^\"]*\"");
    private static final Pattern RELATION = Pattern.compile("\\br:(?!embed=)\\w+=\"");
    private static final Pattern NUMBER = Pattern.compile("(<wp:docPr\\b[^>]*?\\bid=\")[^\"]*");

    /** What counts in our own drawings. */
    private static final Pattern NUMBERS = Pattern.compile("(<wp:docPr id=\"| name=\"Object |relativeHeight=\"|r:embed=\")[^\"]*\"");
    private static final Image NO_IMAGE = new Image("", new byte[0]);

    private DrawingMarkup() { }

    /** The look of the picture, with its drawing if that names no part but the picture. */
    static Look keep(Look look, XmlNode drawing) {
        String markup = POINTING.matcher(drawing.markup()).replaceAll("");
        boolean alone = EMBEDDED.matcher(markup).results().count() == 1 && !RELATION.matcher(markup).find();
        return alone && !isOwn(drawing, markup) ? KeptMarkup.with(look, Markup.TEXT, NAME, markup) : look;
    }

    /** Whether a drawing says no more than is written of every picture. */
    private static boolean isOwn(XmlNode drawing, String markup) {
        DrawingReader.Placed placed = DrawingReader.Placed.of(drawing);
        XmlWriter xml = new XmlWriter();
        xml.open("all", DocxWriter.NAMESPACES);
        Inline written = placed.inline(NO_IMAGE, Look.PLAIN);
        Picture picture = written instanceof Inline.InlinePicture one ? one.picture() : (Picture) ((Inline.Floating) written).content();
        DrawingWriter.picture(xml, placed.anchor(), picture, "0", 0);
        XmlNode own = XmlReader.tree(xml.close().bytes(), NAME).child(NAME);
        return own.equals(XmlReader.tree(NUMBERS.matcher(markup).replaceAll("$10\"").getBytes(StandardCharsets.UTF_8), NAME));
    }

    /**
     * The drawing for a picture that stands as it did when it was read, or null.
     *
     * @param relation what leads to the picture now
     * @param number   of the drawing in its file
     */
    static String still(Look look, Anchor anchor, Picture picture, String relation, int number) {
        String kept = KeptMarkup.beside(look, Markup.TEXT, NAME);
        if (kept == null) return null;
        DrawingReader.Placed placed = DrawingReader.Placed.of(XmlReader.tree(kept.getBytes(StandardCharsets.UTF_8), NAME));
        if (placed == null || !placed.isOf(anchor, picture)) return null;
        String led = EMBEDDED.matcher(kept).replaceFirst("r:embed=\"" + relation + '"');
        return NUMBER.matcher(led).replaceFirst("$1" + number);
    }
}
