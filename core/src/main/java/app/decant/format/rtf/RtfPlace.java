package app.decant.format.rtf;

import app.decant.document.Anchor;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextFrame;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/** Where a frame of paragraphs or a table stands apart from the text: told word by word (Rich Text Format 1.9.1, "Positioned Objects and Frames"). */
final class RtfPlace {
    private static final Set<String> FRAME = Set.of("absw", "absh", "phmrg", "phpg", "phcol", "posx", "posnegx", "posxc", "posxi", "posxo", "posxl", "posxr",
            "pvmrg", "pvpg", "pvpara", "posy", "posnegy", "posyil", "posyt", "posyc", "posyb", "posyin", "posyout", "nowrap", "dxfrtext", "dfrmtxtx",
            "dfrmtxty", "dropcapli", "dropcapt");
    private static final Set<String> TABLE = Set.of("tphmrg", "tphpg", "tphcol", "tposx", "tposnegx", "tposxc", "tposxi", "tposxo", "tposxl", "tposxr",
            "tpvmrg", "tpvpg", "tpvpara", "tposy", "tposnegy", "tposyil", "tposyt", "tposyc", "tposyb", "tposyin", "tposyout", "tdfrmtxtLeft", "tdfrmtxtRight",
            "tdfrmtxtTop", "tdfrmtxtBottom");

    private static final Set<String> AWAY = Set.of("nowrap", "dxfrtext", "dfrmtxtx", "dfrmtxty");

    private final Map<String, Integer> told = new HashMap<>();

    RtfPlace() { }

    RtfPlace(RtfPlace other) { told.putAll(other.told); }

    static boolean isOfFrame(String word) { return FRAME.contains(word); }
    static boolean isOfTable(String word) { return TABLE.contains(word); }

    void word(String word, int value) { told.put(word, value); }

    /** Whether more was told than how text keeps away, which is said of paragraphs in no frame, too. */
    boolean isFrame() { return told.keySet().stream().anyMatch(word -> !AWAY.contains(word)); }

    /** The frame that was told of. */
    TextFrame frame() {
        double besides = points(told.containsKey("dfrmtxtx") ? "dfrmtxtx" : "dxfrtext");
        Insets distance = new Insets(points("dfrmtxty"), besides, points("dfrmtxty"), besides);
        int height = told.getOrDefault("absh", 0);
        int dropped = told.getOrDefault("dropcapt", 0) == 0 ? 0 : Math.max(1, told.getOrDefault("dropcapli", 1));
        return new TextFrame(anchor("", distance, told.containsKey("nowrap") ? Anchor.Wrap.TOP_AND_BOTTOM : Anchor.Wrap.SQUARE), Math.max(0, points("absw")),
                Math.abs(height) / 20.0, height < 0, dropped, told.getOrDefault("dropcapt", 0) == 2);
    }

    /** Where the table stands that was told of; null for one in the text. */
    Anchor table() {
        if (told.isEmpty()) return null;
        return anchor("t", new Insets(points("tdfrmtxtTop"), points("tdfrmtxtRight"), points("tdfrmtxtBottom"), points("tdfrmtxtLeft")), Anchor.Wrap.SQUARE);
    }

    private double points(String word) { return Math.max(0, told.getOrDefault(word, 0)) / 20.0; }

    private Anchor anchor(String prefix, Insets distance, Anchor.Wrap wrap) {
        Anchor.Horizontal.From across = told.containsKey(prefix + "phpg") ? Anchor.Horizontal.From.PAGE : told.containsKey(prefix + "phmrg")
                ? Anchor.Horizontal.From.MARGIN : Anchor.Horizontal.From.COLUMN;
        Alignment alignment = told.containsKey(prefix + "posxc") ? Alignment.CENTRE : told.containsKey(prefix + "posxr") || told.containsKey(prefix + "posxo")
                ? Alignment.END : told.containsKey(prefix + "posxl") || told.containsKey(prefix + "posxi") ? Alignment.START : null;
        Anchor.Vertical.From down = told.containsKey(prefix + "pvpg") ? Anchor.Vertical.From.PAGE : told.containsKey(prefix + "pvpara")
                || told.containsKey(prefix + "posyil") ? Anchor.Vertical.From.PARAGRAPH : Anchor.Vertical.From.MARGIN;
        VerticalAlignment vertical = down == Anchor.Vertical.From.PARAGRAPH ? null : told.containsKey(prefix + "posyc") ? VerticalAlignment.CENTRE
                : told.containsKey(prefix + "posyb") ? VerticalAlignment.BOTTOM : told.containsKey(prefix + "posyt") ? VerticalAlignment.TOP : null;
        return new Anchor(new Anchor.Horizontal(across, alignment, alignment == null ? offset(prefix + "posx", prefix + "posnegx") : 0),
                new Anchor.Vertical(down, vertical, vertical == null ? offset(prefix + "posy", prefix + "posnegy") : 0), wrap, distance, false);
    }

    private double offset(String word, String negative) { return told.getOrDefault(told.containsKey(negative) ? negative : word, 0) / 20.0; }

    /** The words for a table that stands somewhere. */
    static String words(Anchor anchor) {
        StringBuilder words = new StringBuilder(switch (anchor.horizontal().from()) {
            case PAGE -> "\\tphpg";
            case MARGIN -> "\\tphmrg";
            case COLUMN, CHARACTER -> "\\tphcol";
        });
        Alignment across = anchor.horizontal().alignment();
        if (across == null) words.append(offset("\\tpos", "x", anchor.horizontal().offset()));
        else words.append(across == Alignment.CENTRE ? "\\tposxc" : across == Alignment.END ? "\\tposxr" : "\\tposxl");
        words.append(switch (anchor.vertical().from()) {
            case PAGE -> "\\tpvpg";
            case MARGIN -> "\\tpvmrg";
            case PARAGRAPH, LINE -> "\\tpvpara";
        });
        VerticalAlignment down = anchor.vertical().alignment();
        if (down == null) words.append(offset("\\tpos", "y", anchor.vertical().offset()));
        else words.append(down == VerticalAlignment.CENTRE ? "\\tposyc" : down == VerticalAlignment.BOTTOM ? "\\tposyb" : "\\tposyt");
        Insets away = anchor.distance();
        return words.append("\\tdfrmtxtLeft").append(RtfLooks.twips(away.left())).append("\\tdfrmtxtRight").append(RtfLooks.twips(away.right()))
                .append("\\tdfrmtxtTop").append(RtfLooks.twips(away.top())).append("\\tdfrmtxtBottom").append(RtfLooks.twips(away.bottom())).toString();
    }

    private static String offset(String word, String axis, double points) {
        return word + (points < 0 ? "neg" : "") + axis + RtfLooks.twips(points);
    }
}
