package app.decant.format.ooxml;

import app.decant.document.Anchor;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextFrame;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;

/** Frames of paragraphs (17.3.1.11) and tables that float (17.4.57), read and written. */
final class FrameMarkup {
    private FrameMarkup() { }

    static TextFrame frame(XmlNode node) {
        Double width = Units.twips(node, "w:w");
        Double height = Units.twips(node, "w:h");
        Double across = Units.twips(node, "w:hSpace");
        Double down = Units.twips(node, "w:vSpace");
        String drop = node.get("w:dropCap", "none");
        Integer lines = Units.whole(node, "w:lines");
        boolean dropped = drop.equals("drop") || drop.equals("margin");
        Insets distance = new Insets(of(down), of(across), of(down), of(across));
        Anchor.Wrap wrap = switch (node.get("w:wrap", "around")) {
            case "none", "notBeside" -> Anchor.Wrap.TOP_AND_BOTTOM;
            case "through" -> Anchor.Wrap.NONE;
            default -> Anchor.Wrap.SQUARE;
        };
        Anchor anchor = new Anchor(horizontal(node, "w:hAnchor", "w:xAlign", "w:x"), vertical(node, "w:vAnchor", "w:yAlign", "w:y"), wrap, distance, false);
        boolean fixed = !node.get("w:hRule", "atLeast").equals("auto");
        int high = !dropped ? 0 : lines == null ? 1 : Math.max(1, lines);
        return new TextFrame(anchor, of(width), fixed ? of(height) : 0, "exact".equals(node.get("w:hRule")), high, drop.equals("margin"));
    }

    static Anchor table(XmlNode node) {
        Insets distance = new Insets(of(Units.twips(node, "w:topFromText")), of(Units.twips(node, "w:rightFromText")),
                of(Units.twips(node, "w:bottomFromText")), of(Units.twips(node, "w:leftFromText")));
        return new Anchor(horizontal(node, "w:horzAnchor", "w:tblpXSpec", "w:tblpX"), vertical(node, "w:vertAnchor", "w:tblpYSpec", "w:tblpY"),
                Anchor.Wrap.SQUARE, distance, false);
    }

    private static double of(Double value) { return value == null ? 0 : Math.max(0, value); }

    private static Anchor.Horizontal horizontal(XmlNode node, String from, String aligned, String offset) {
        Anchor.Horizontal.From base = switch (node.get(from, "page")) {
            case "text" -> Anchor.Horizontal.From.COLUMN;
            case "margin" -> Anchor.Horizontal.From.MARGIN;
            default -> Anchor.Horizontal.From.PAGE;
        };
        Double away = Units.twips(node, offset);
        Alignment alignment = node.get(aligned) == null ? null : switch (node.get(aligned)) {
            case "center" -> Alignment.CENTRE;
            case "right", "outside" -> Alignment.END;
            default -> Alignment.START;
        };
        return new Anchor.Horizontal(base, alignment, away == null ? 0 : away);
    }

    private static Anchor.Vertical vertical(XmlNode node, String from, String aligned, String offset) {
        Anchor.Vertical.From base = switch (node.get(from, "page")) {
            case "text" -> Anchor.Vertical.From.PARAGRAPH;
            case "margin" -> Anchor.Vertical.From.MARGIN;
            default -> Anchor.Vertical.From.PAGE;
        };
        Double away = Units.twips(node, offset);
        String side = node.get(aligned);
        if ("inline".equals(side)) return new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0);
        VerticalAlignment alignment = side == null || base == Anchor.Vertical.From.PARAGRAPH ? null : switch (side) {
            case "center" -> VerticalAlignment.CENTRE;
            case "bottom", "outside" -> VerticalAlignment.BOTTOM;
            default -> VerticalAlignment.TOP;
        };
        return new Anchor.Vertical(base, alignment, away == null ? 0 : away);
    }

    static void write(XmlWriter xml, Anchor anchor) {
        Anchor.Horizontal across = anchor.horizontal();
        Anchor.Vertical down = anchor.vertical();
        Insets distance = anchor.distance();
        xml.leaf("w:tblpPr", "w:leftFromText", Units.toTwips(distance.left()), "w:rightFromText", Units.toTwips(distance.right()), "w:topFromText",
                Units.toTwips(distance.top()), "w:bottomFromText", Units.toTwips(distance.bottom()), "w:vertAnchor", base(down), "w:horzAnchor", base(across),
                across.alignment() == null ? "w:tblpX" : "w:tblpXSpec", across.alignment() == null ? Units.toTwips(across.offset()) : side(across),
                down.alignment() == null ? "w:tblpY" : "w:tblpYSpec", down.alignment() == null ? Units.toTwips(down.offset()) : side(down));
    }

    static void write(XmlWriter xml, TextFrame frame) {
        Anchor.Horizontal across = frame.anchor().horizontal();
        Anchor.Vertical down = frame.anchor().vertical();
        String wrap = switch (frame.anchor().wrap()) {
            case TOP_AND_BOTTOM -> "notBeside";
            case NONE -> "through";
            case SQUARE -> "around";
        };
        xml.leaf("w:framePr", "w:dropCap", frame.dropped() == 0 ? null : frame.inMargin() ? "margin" : "drop", "w:lines", frame.dropped() == 0 ? null
                : frame.dropped(), "w:w", frame.width() == 0 ? null : Units.toTwips(frame.width()), "w:h", frame.height() == 0 ? null
                : Units.toTwips(frame.height()), "w:hSpace", Units.toTwips(frame.anchor().distance().right()), "w:vSpace",
                Units.toTwips(frame.anchor().distance().bottom()), "w:wrap", wrap, "w:hAnchor", base(across), "w:vAnchor", base(down),
                across.alignment() == null ? "w:x" : "w:xAlign", across.alignment() == null ? Units.toTwips(across.offset()) : side(across),
                down.alignment() == null ? "w:y" : "w:yAlign", down.alignment() == null ? Units.toTwips(down.offset()) : side(down), "w:hRule",
                frame.height() == 0 ? null : frame.exact() ? "exact" : "atLeast");
    }

    private static String base(Anchor.Horizontal across) {
        return switch (across.from()) {
            case PAGE -> "page";
            case MARGIN -> "margin";
            case COLUMN, CHARACTER -> "text";
        };
    }

    private static String base(Anchor.Vertical down) {
        return switch (down.from()) {
            case PAGE -> "page";
            case MARGIN -> "margin";
            case PARAGRAPH, LINE -> "text";
        };
    }

    private static String side(Anchor.Horizontal across) {
        return switch (across.alignment()) {
            case START, JUSTIFY -> "left";
            case CENTRE -> "center";
            case END -> "right";
        };
    }

    private static String side(Anchor.Vertical down) {
        return switch (down.alignment()) {
            case TOP -> "top";
            case CENTRE -> "center";
            case BOTTOM -> "bottom";
        };
    }
}
