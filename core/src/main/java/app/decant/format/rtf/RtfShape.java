package app.decant.format.rtf;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TextBox;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** A drawn shape while its words come in: a picture or a box of text that floats. */
final class RtfShape {
    final Map<String, String> properties = new HashMap<>();
    /** Where something lies that nobody put over or under others. */
    static final int LEVEL = 1;

    String name = "";
    Picture picture;
    List<Block> blocks;
    private int left;
    private int top;
    private int right;
    private int bottom;
    private Anchor.Horizontal.From across = Anchor.Horizontal.From.COLUMN;
    private Anchor.Vertical.From down = Anchor.Vertical.From.PARAGRAPH;
    private int wrap = 2;
    private boolean behind;
    private int level;

    void word(String word, int value) {
        switch (word) {
            case "shpleft" -> left = value;
            case "shptop" -> top = value;
            case "shpright" -> right = value;
            case "shpbottom" -> bottom = value;
            case "shpbxpage" -> across = Anchor.Horizontal.From.PAGE;
            case "shpbxmargin" -> across = Anchor.Horizontal.From.MARGIN;
            case "shpbxcolumn" -> across = Anchor.Horizontal.From.COLUMN;
            case "shpbypage" -> down = Anchor.Vertical.From.PAGE;
            case "shpbymargin" -> down = Anchor.Vertical.From.MARGIN;
            case "shpbypara" -> down = Anchor.Vertical.From.PARAGRAPH;
            case "shpwr" -> wrap = value;
            case "shpfblwtxt" -> behind = value == 1;
            case "shpz" -> level = value - LEVEL;
            default -> { }
        }
    }

    private int number(String property, int otherwise) {
        String told = properties.get(property);
        return told != null && told.matches("-?\\d{1,9}") ? Integer.parseInt(told) : otherwise;
    }

    /** What floats, or null where it can't be taken over. */
    Inline.Floating.Content content() {
        double width = Math.max(1, (right - left) / 20.0);
        double height = Math.max(1, (bottom - top) / 20.0);
        if (picture != null) return new Picture(picture.image(), width, height, picture.crop(), 0, properties.get("wzDescription"));
        if (blocks == null) return null;
        Insets padding = new Insets(number("dyTextTop", 45720) / 12700.0, number("dxTextRight", 91440) / 12700.0, number("dyTextBottom", 45720) / 12700.0,
                number("dxTextLeft", 91440) / 12700.0);
        boolean lined = number("fLine", 1) == 1;
        boolean filled = number("fFilled", 0) == 1;
        return new TextBox(blocks, width, height, false, padding, lined ? Border.single(number("lineWidth", 9525) / 12700.0, colour(number("lineColor", 0)))
                : Border.NONE, filled ? colour(number("fillColor", 0xFFFFFF)) : null).running(switch (number("txflTextFlow", 0)) {
                    case 1, 3, 5 -> Running.DOWN;
                    case 2 -> Running.UP;
                    default -> Running.ACROSS;
                });
    }

    private static Colour colour(int told) { return new Colour((told & 255) << 16 | told & 0xFF00 | told >> 16 & 255); }

    Anchor anchor() {
        Anchor.Wrap how = wrap == 1 ? Anchor.Wrap.TOP_AND_BOTTOM : wrap == 3 ? Anchor.Wrap.NONE : Anchor.Wrap.SQUARE;
        return new Anchor(new Anchor.Horizontal(across, null, left / 20.0), new Anchor.Vertical(down, null, top / 20.0), how, new Insets(0, 9, 0, 9), behind,
                level);
    }
}
