package app.decant.layout;

import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.font.FontCatalogue;
import app.decant.page.TextStyle;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.ConcurrentSkipListSet;

/** Turns looks into {@link TextStyle}s, and remembers which fonts were wished for and which were found. Several threads may ask at once. */
final class StyleBook {
    /** Of super- and subscript letters against their surroundings, and how far they move; common practice, from memory. */
    private static final double SCRIPT_SIZE = 0.65;
    private static final double SUPER_RAISE = 0.35;
    private static final double SUB_LOWER = 0.14;

    /** The colours of those who changed something, dark enough to be read on white; tracked changes are underlined and struck (common practice). */
    private static final List<Colour> AUTHORS = List.of(new Colour(0x9A3412), new Colour(0x1E5FA8), new Colour(0x4D7C0F), new Colour(0x7E3794),
            new Colour(0x0F766E), new Colour(0xA0205A));

    private final Cascade cascade;
    private final FontCatalogue fonts;
    private final String language;
    private final Map<Look, TextStyle> styles = new ConcurrentHashMap<>();
    private final Map<String, FontCatalogue.Match> wishes = new ConcurrentSkipListMap<>();
    private final Set<Integer> missing = new ConcurrentSkipListSet<>();

    /** @param language of text that does not say its own; may be null */
    StyleBook(Cascade cascade, FontCatalogue fonts, String language) {
        this.cascade = cascade;
        this.language = language;
        this.fonts = fonts;
    }

    Cascade cascade() { return cascade; }
    FontCatalogue fonts() { return fonts; }

    /** The language that letters of a look are in, or null. */
    String language(Look letters) { return letters.says(TextProperty.LANGUAGE) ? letters.get(TextProperty.LANGUAGE) : language; }

    Map<String, FontCatalogue.Match> wishes() { return wishes; }

    /** The characters that no face at hand can draw. */
    Set<Integer> missing() { return missing; }

    void miss(int codePoint) {
        boolean drawn = !Character.isISOControl(codePoint) && !Character.isWhitespace(codePoint) && Character.getType(codePoint) != Character.FORMAT
                && Character.getType(codePoint) != Character.CONTROL;
        if (drawn) missing.add(codePoint);
    }

    TextStyle text(Paragraph paragraph, Look own, Look table) { return style(cascade.text(paragraph, own, table)); }

    TextStyle style(Look look) {
        return styles.computeIfAbsent(look.without(Markup.TEXT), this::workOut);
    }

    private TextStyle workOut(Look look) {
        String family = look.get(TextProperty.FAMILY);
        FontCatalogue.Match match = fonts.match(family, look.is(TextProperty.BOLD), look.is(TextProperty.ITALIC));
        wishes.putIfAbsent(match.family(), match);
        double size = Math.max(1, Math.min(1638, look.get(TextProperty.SIZE, 10.0)));
        double raise = look.get(TextProperty.RAISE, 0.0);
        Script script = look.get(TextProperty.SCRIPT, Script.BASELINE);
        if (script == Script.SUPER) raise += size * SUPER_RAISE;
        if (script == Script.SUB) raise -= size * SUB_LOWER;
        if (script != Script.BASELINE) size *= SCRIPT_SIZE;
        Double kerningFrom = look.get(TextProperty.KERNING_FROM);
        Colour colour = look.get(TextProperty.COLOUR, Colour.AUTOMATIC);
        Underline underline = look.get(TextProperty.UNDERLINE, Underline.NONE);
        TrackedChange change = look.get(TextProperty.TRACKED);
        boolean struck = look.is(TextProperty.STRIKE) || change != null && change.isDeletion();
        if (change != null) colour = AUTHORS.get(Math.floorMod(change.mark().author().hashCode(), AUTHORS.size()));
        if (change != null && !change.isDeletion() && underline == Underline.NONE) underline = Underline.SINGLE;
        return new TextStyle(match.face(), size, colour, look.get(TextProperty.HIGHLIGHT), underline, struck,
                look.is(TextProperty.DOUBLE_STRIKE), raise, look.get(TextProperty.LETTER_SPACING, 0.0),
                look.get(TextProperty.WIDTH_SCALE, 1.0), look.is(TextProperty.CAPITALS), look.is(TextProperty.SMALL_CAPITALS), look.is(TextProperty.HIDDEN),
                kerningFrom != null && kerningFrom > 0 && size >= kerningFrom, look.is(TextProperty.LIGATURES), look.get(TextProperty.LANGUAGE),
                look.get(TextProperty.RIGHT_TO_LEFT), look.get(TextProperty.LINK),
                look.get(TextProperty.FORM));
    }
}
