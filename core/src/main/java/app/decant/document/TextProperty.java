package app.decant.document;

import java.util.Set;

/** What a run of text can say about its look. Sizes and distances in points. */
public final class TextProperty {
    public static final Property<String> STYLE = new Property<>("character style", String.class);
    public static final Property<String> FAMILY = new Property<>("font", String.class);
    /** The family for scripts written from right to left and other complex ones, where it differs. */
    public static final Property<String> COMPLEX_FAMILY = new Property<>("font for complex scripts", String.class);
    public static final Property<String> EAST_ASIAN_FAMILY = new Property<>("font for East Asian scripts", String.class);
    public static final Property<Double> SIZE = new Property<>("size", Double.class);
    public static final Property<Boolean> BOLD = new Property<>("bold", Boolean.class);
    public static final Property<Boolean> ITALIC = new Property<>("italic", Boolean.class);
    public static final Property<Underline> UNDERLINE = new Property<>("underline", Underline.class);
    public static final Property<Boolean> STRIKE = new Property<>("strike", Boolean.class);
    public static final Property<Boolean> DOUBLE_STRIKE = new Property<>("double strike", Boolean.class);
    public static final Property<Boolean> SMALL_CAPITALS = new Property<>("small capitals", Boolean.class);
    public static final Property<Boolean> CAPITALS = new Property<>("capitals", Boolean.class);
    public static final Property<Boolean> HIDDEN = new Property<>("hidden", Boolean.class);
    public static final Property<Colour> COLOUR = new Property<>("colour", Colour.class);
    public static final Property<Colour> HIGHLIGHT = new Property<>("highlight", Colour.class);
    public static final Property<Script> SCRIPT = new Property<>("super- or subscript", Script.class);
    /** Added after each character. */
    public static final Property<Double> LETTER_SPACING = new Property<>("letter spacing", Double.class);
    /** The baseline moved up (or down, negative). */
    public static final Property<Double> RAISE = new Property<>("raised", Double.class);
    /** Width of the letters, 1 as drawn. */
    public static final Property<Double> WIDTH_SCALE = new Property<>("letter width", Double.class);
    /** Pairs are kerned from this size on; absent: never. */
    public static final Property<Double> KERNING_FROM = new Property<>("kerning from", Double.class);
    public static final Property<Boolean> LIGATURES = new Property<>("ligatures", Boolean.class);
    /** A BCP 47 tag. */
    public static final Property<String> LANGUAGE = new Property<>("language", String.class);
    public static final Property<Boolean> RIGHT_TO_LEFT = new Property<>("right to left", Boolean.class);
    public static final Property<Link> LINK = new Property<>("link", Link.class);
    /** That somebody put it in or took it out, unsettled yet; of a paragraph's mark: its end. */
    public static final Property<TrackedChange> TRACKED = new Property<>("tracked change", TrackedChange.class);
    /** The place of a form that it fills in. */
    public static final Property<FormField> FORM = new Property<>("form field", FormField.class);
    /** Of a tab: that it goes to an edge of the text instead of to a stop. */
    public static final Property<AlignedTab> ALIGNED_TAB = new Property<>("aligned tab", AlignedTab.class);
    /** What was remarked on it. */
    public static final Property<Comment.Thread> COMMENTS = new Property<>("comments", Comment.Thread.class);

    private static final Set<Property<?>> HANGING = Set.of(LINK, TRACKED, FORM, ALIGNED_TAB, COMMENTS, Markup.TEXT);

    /** Where the text stands against its line. */
    public enum Script { BASELINE, SUPER, SUB }

    /** The kinds of line under text. */
    public enum Underline { NONE, SINGLE, DOUBLE, THICK, DOTTED, DASHED, WAVE, WORDS }

    /** What hangs on words and is no look: giving words another look leaves it as it is. */
    public static Set<Property<?>> hanging() { return HANGING; }

    private TextProperty() { }
}
