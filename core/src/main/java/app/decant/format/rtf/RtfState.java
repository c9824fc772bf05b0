package app.decant.format.rtf;

import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.format.Languages;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What holds inside a group: where text goes, and how it looks. A group within begins with the same and leaves no trace. */
final class RtfState {
    private static final Set<String> PARAGRAPH_SIDES = Set.of("brdrt", "brdrl", "brdrb", "brdrr", "brdrbtw");

    /** What becomes of text. */
    enum Where { TEXT, GATHER, COLOURS, INSTRUCTION, PICTURE, SKIP }

    /** Moved up or down without a number, in half points. */
    private static final int USUAL_RAISE = 6;
    /** What a group was opened for. */
    enum Opened {
        FONT, STYLE, COLOURS, LIST, LIST_LEVEL, LIST_TEXT, LIST_NUMBERS, OVERRIDE, OVERRIDE_LEVEL, FACT, TIME, FIELD, INSTRUCTION, RESULT, PICTURE, NOTE,
                FRAME, BOOKMARK_START, BOOKMARK_END, FORM, FORM_NAME, FORM_CHOICE,
                AUTHORS, COMMENT_START, COMMENT_END, COMMENT_AUTHOR, COMMENT_NUMBER, COMMENT_TIME, COMMENT,
                SHAPE, SHAPE_NAME, SHAPE_VALUE, SHAPE_TEXT, SKIP
    }

    Where where;
    Opened opened;
    RtfStoryReading story;
    final StringBuilder text = new StringBuilder();
    String name;
    Map<String, Integer> time;
    int number;
    boolean fonts;
    /** Whether the font at hand numbers its signs itself. */
    boolean pictorial;
    boolean sheet;
    /** A style of a table or a section is told. */
    boolean isOtherStyle;
    /** What was put in and taken out here while changes were tracked. */
    private RtfRevision revision = RtfRevision.NONE;
    RtfPicture picture;
    RtfShape shape;
    /** Whether what comes in is the text of a shape, not what the shape is. */
    boolean inBox;
    RtfComment comment;
    RtfForm form;
    /** Text properties, those of the paragraph, and what is not a look. */
    Look letters = Look.PLAIN;
    Look paragraph = Look.PLAIN;
    /** What was told of the colours behind the paragraph. */
    private Map<String, Integer> shades = new HashMap<>();
    private RtfPlace place = new RtfPlace();
    List<TabStop> tabs = new ArrayList<>();
    RtfBorders borders = new RtfBorders();
    int style;
    int list = -1;
    int level;
    int depth;
    /** Whether words of borders say something of a cell. */
    private boolean cellSide;
    private int red;
    private int green;
    private int blue;
    private TabStop.Kind tabKind = TabStop.Kind.START;
    private TabStop.Leader tabLeader = TabStop.Leader.NONE;

    RtfState(Where where, RtfStoryReading story) {
        this.where = where;
        this.story = story;
    }

    RtfState inner() {
        RtfState inner = new RtfState(where, story);
        inner.fonts = fonts;
        inner.pictorial = pictorial;
        inner.sheet = sheet;
        inner.revision = revision;
        inner.time = time;
        inner.picture = picture;
        inner.shape = shape;
        inner.inBox = inBox;
        inner.comment = comment;
        inner.form = form;
        inner.letters = letters;
        inner.paragraph = paragraph;
        inner.shades = new HashMap<>(shades);
        inner.place = new RtfPlace(place);
        inner.tabs = new ArrayList<>(tabs);
        inner.borders = borders.copy();
        inner.style = style;
        inner.list = list;
        inner.level = level;
        inner.depth = depth;
        return inner;
    }

    RtfState open(Opened what, Where to) {
        opened = what;
        where = to;
        text.setLength(0);
        return this;
    }

    void plain() {
        letters = Look.PLAIN;
        pard();
    }

    private void pard() {
        paragraph = Look.PLAIN;
        shades = new HashMap<>();
        place = new RtfPlace();
        tabs = new ArrayList<>();
        borders = new RtfBorders();
        style = 0;
        list = -1;
        level = 0;
        depth = 0;
    }

    void colour(String word, int value) {
        switch (word) {
            case "red" -> red = value & 255;
            case "green" -> green = value & 255;
            case "blue" -> blue = value & 255;
            default -> { }
        }
        if (word.equals("red") || word.equals("green") || word.equals("blue")) number = 1;
    }

    /** The colour told, or -1 for that of the reader's choice; the next begins. */
    int takeColour() {
        int rgb = number == 0 ? -1 : red << 16 | green << 8 | blue;
        red = green = blue = number = 0;
        return rgb;
    }

    /** How text looks now. */
    Look look() { return letters.with(TextProperty.TRACKED, revision.change()); }

    /** How the paragraph looks now. */
    Look paragraphLook(RtfTables tables) {
        Look look = paragraph;
        if (!tabs.isEmpty()) look = look.with(ParagraphProperty.TABS, new TabStops(List.copyOf(tabs)));
        if (borders.any()) look = look.with(ParagraphProperty.BORDERS, borders.borders(tables));
        if (list > 0 && tables.knowsList(list)) look = look.with(ParagraphProperty.LIST, new ParagraphProperty.ListReference(String.valueOf(list), level));
        return look;
    }

    private static double points(int twips) { return twips / 20.0; }

    /** A word that changes how text or paragraphs look; false where it does not. */
    boolean word(String word, int value, boolean has, RtfTables tables) {
        boolean on = !has || value != 0;
        if (word.startsWith("clbrdr") || word.startsWith("trbrdr")) {
            cellSide = true;
            return false;
        }
        boolean drawn = word.startsWith("brdr") || word.equals("brsp");
        if (drawn && PARAGRAPH_SIDES.contains(word) || word.equals("box")) cellSide = false;
        if (drawn && cellSide) return false;
        if (borders.word(word, value)) return true;
        if (RtfPlace.isOfFrame(word)) {
            place.word(word, value);
            if (place.isFrame()) paragraph = paragraph.with(ParagraphProperty.FRAME, place.frame());
            return true;
        }
        switch (word) {
            case "plain" -> {
                letters = Look.PLAIN;
                pictorial = false;
                revision = RtfRevision.NONE;
            }
            case "pard" -> pard();
            case "b" -> letters = letters.with(TextProperty.BOLD, on);
            case "i" -> letters = letters.with(TextProperty.ITALIC, on);
            case "strike" -> letters = letters.with(TextProperty.STRIKE, on);
            case "striked" -> letters = letters.with(TextProperty.DOUBLE_STRIKE, value == 1);
            case "scaps" -> letters = letters.with(TextProperty.SMALL_CAPITALS, on);
            case "caps" -> letters = letters.with(TextProperty.CAPITALS, on);
            case "v" -> letters = letters.with(TextProperty.HIDDEN, on);
            case "ul" -> letters = letters.with(TextProperty.UNDERLINE, on ? Underline.SINGLE : Underline.NONE);
            case "ulnone" -> letters = letters.with(TextProperty.UNDERLINE, Underline.NONE);
            case "uldb" -> letters = letters.with(TextProperty.UNDERLINE, on ? Underline.DOUBLE : Underline.NONE);
            case "ulth" -> letters = letters.with(TextProperty.UNDERLINE, on ? Underline.THICK : Underline.NONE);
            case "uld", "ulthd" -> letters = letters.with(TextProperty.UNDERLINE, on ? Underline.DOTTED : Underline.NONE);
            case "uldash", "uldashd", "uldashdd", "ulldash", "ulthdash", "ulthdashd", "ulthdashdd",
                    "ulthldash" -> letters = letters.with(TextProperty.UNDERLINE, on ? Underline.DASHED : Underline.NONE);
            case "ulwave", "ulhwave", "ululdbwave" -> letters = letters.with(TextProperty.UNDERLINE, on ? Underline.WAVE : Underline.NONE);
            case "ulw" -> letters = letters.with(TextProperty.UNDERLINE, on ? Underline.WORDS : Underline.NONE);
            case "super" -> letters = letters.with(TextProperty.SCRIPT, on ? Script.SUPER : Script.BASELINE);
            case "sub" -> letters = letters.with(TextProperty.SCRIPT, on ? Script.SUB : Script.BASELINE);
            case "nosupersub" -> letters = letters.with(TextProperty.SCRIPT, Script.BASELINE);
            case "f" -> {
                letters = letters.with(TextProperty.FAMILY, tables.family(value));
                pictorial = tables.isPictorial(value);
            }
            case "fs" -> letters = value > 0 ? letters.with(TextProperty.SIZE, value / 2.0) : letters;
            case "cf" -> letters = letters.with(TextProperty.COLOUR, tables.colour(has ? value : 0));
            case "highlight", "cb", "chcbpat" -> {
                if (value > 0) letters = letters.with(TextProperty.HIGHLIGHT, tables.colour(value));
            }
            case "expndtw" -> letters = letters.with(TextProperty.LETTER_SPACING, points(value));
            case "expnd" -> letters = letters.with(TextProperty.LETTER_SPACING, value / 4.0);
            case "up" -> letters = letters.with(TextProperty.RAISE, (has ? value : USUAL_RAISE) / 2.0);
            case "dn" -> letters = letters.with(TextProperty.RAISE, -(has ? value : USUAL_RAISE) / 2.0);
            case "charscalex" -> letters = value > 0 ? letters.with(TextProperty.WIDTH_SCALE, value / 100.0) : letters;
            case "lang" -> letters = Languages.code(value) == null ? letters : letters.with(TextProperty.LANGUAGE, Languages.code(value));
            case "revised", "revauth", "revdttm", "deleted", "revauthdel", "revdttmdel" -> revision = revision.with(word, value, on);
            case "kerning" -> letters = letters.with(TextProperty.KERNING_FROM, value / 2.0);
            case "cs" -> letters = letters.with(TextProperty.STYLE, tables.styleId(value));
            case "s" -> style = value;
            case "rtlpar" -> paragraph = paragraph.with(ParagraphProperty.RIGHT_TO_LEFT, true);
            case "ltrpar" -> paragraph = paragraph.with(ParagraphProperty.RIGHT_TO_LEFT, false);
            case "ql" -> paragraph = paragraph.with(ParagraphProperty.ALIGNMENT, turned() ? Alignment.END : Alignment.START);
            case "qr" -> paragraph = paragraph.with(ParagraphProperty.ALIGNMENT, turned() ? Alignment.START : Alignment.END);
            case "qc" -> paragraph = paragraph.with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE);
            case "qj", "qd" -> paragraph = paragraph.with(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY);
            case "li", "lin" -> paragraph = paragraph.with(ParagraphProperty.INDENT_START, points(value));
            case "ri", "rin" -> paragraph = paragraph.with(ParagraphProperty.INDENT_END, points(value));
            case "fi" -> paragraph = paragraph.with(ParagraphProperty.FIRST_LINE, points(value));
            case "sb" -> paragraph = paragraph.with(ParagraphProperty.SPACE_BEFORE, points(value));
            case "sa" -> paragraph = paragraph.with(ParagraphProperty.SPACE_AFTER, points(value));
            case "sbauto" -> paragraph = on ? paragraph.with(ParagraphProperty.SPACE_BEFORE, ParagraphProperty.AUTOMATIC_SPACE) : paragraph;
            case "saauto" -> paragraph = on ? paragraph.with(ParagraphProperty.SPACE_AFTER, ParagraphProperty.AUTOMATIC_SPACE) : paragraph;
            case "sl" -> paragraph = value == 0 ? paragraph.without(ParagraphProperty.LINE_SPACING) : paragraph.with(ParagraphProperty.LINE_SPACING,
                    new LineSpacing(value < 0 ? LineSpacing.Rule.EXACTLY : LineSpacing.Rule.AT_LEAST, Math.abs(points(value))));
            case "slmult" -> {
                LineSpacing spacing = paragraph.get(ParagraphProperty.LINE_SPACING);
                if (value == 1 && spacing != null)
                    paragraph = paragraph.with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE, spacing.value() / 12));
            }
            case "keep" -> paragraph = paragraph.with(ParagraphProperty.KEEP_TOGETHER, on);
            case "keepn" -> paragraph = paragraph.with(ParagraphProperty.KEEP_WITH_NEXT, on);
            case "pagebb" -> paragraph = paragraph.with(ParagraphProperty.PAGE_BREAK_BEFORE, on);
            case "widctlpar" -> paragraph = paragraph.with(ParagraphProperty.WIDOW_CONTROL, true);
            case "nowidctlpar" -> paragraph = paragraph.with(ParagraphProperty.WIDOW_CONTROL, false);
            case "hyphpar" -> paragraph = paragraph.with(ParagraphProperty.HYPHENATION, on);
            case "contextualspace" -> paragraph = paragraph.with(ParagraphProperty.CONTEXTUAL_SPACING, on);
            case "cbpat", "cfpat", "shading" -> {
                shades.put(word, value);
                shade(tables);
            }
            case "outlinelevel" -> paragraph = paragraph.with(ParagraphProperty.OUTLINE_LEVEL, value >= 0 && value < 9 ? value + 1 : 0);
            case "ls" -> list = value;
            case "ilvl" -> level = Math.max(0, Math.min(8, value));
            case "intbl" -> depth = Math.max(depth, 1);
            case "itap" -> depth = Math.max(0, Math.min(30, value));
            case "tldot" -> tabLeader = TabStop.Leader.DOTS;
            case "tlhyph" -> tabLeader = TabStop.Leader.HYPHENS;
            case "tlul", "tlth" -> tabLeader = TabStop.Leader.LINE;
            case "tlmdot" -> tabLeader = TabStop.Leader.MIDDLE_DOTS;
            case "tqc" -> tabKind = TabStop.Kind.CENTRE;
            case "tqr" -> tabKind = TabStop.Kind.END;
            case "tqdec" -> tabKind = TabStop.Kind.DECIMAL;
            case "tx", "tb" -> {
                tabs.add(new TabStop(points(value), word.equals("tb") ? TabStop.Kind.BAR : tabKind, tabLeader));
                tabKind = TabStop.Kind.START;
                tabLeader = TabStop.Leader.NONE;
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    /** A share of the colour in front over that behind, in hundredths of a per cent. */
    private void shade(RtfTables tables) {
        int share = Math.max(0, Math.min(10_000, shades.getOrDefault("shading", 0)));
        Colour behind = shades.getOrDefault("cbpat", 0) > 0 ? tables.colour(shades.get("cbpat")) : null;
        if (share == 0) {
            if (behind != null) paragraph = paragraph.with(ParagraphProperty.SHADING, behind);
            return;
        }
        Colour front = shades.getOrDefault("cfpat", 0) > 0 ? tables.colour(shades.get("cfpat")) : Colour.BLACK;
        paragraph = paragraph.with(ParagraphProperty.SHADING, front.mixed(behind == null ? Colour.WHITE : behind, share / 10_000.0));
    }

    private boolean turned() { return paragraph.is(ParagraphProperty.RIGHT_TO_LEFT); }
}
