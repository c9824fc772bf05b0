package app.decant.document;

import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/**
 * The styles of a document.
 *
 * @param defaults         beneath all styles; they always name a font family and a size, so that every format sets what nobody said alike
 * @param defaultParagraph the id of the style of paragraphs that name none; may be null
 * @param defaultTable     likewise for tables
 */
public record StyleSheet(Look defaults, String defaultParagraph, String defaultTable, Map<String, Style> styles) {
    public static final StyleSheet EMPTY = new StyleSheet(Look.PLAIN, null, null, Map.of());

    public StyleSheet {
        if (!defaults.says(TextProperty.FAMILY)) defaults = defaults.with(TextProperty.FAMILY, "Liberation Serif");
        if (!defaults.says(TextProperty.SIZE)) defaults = defaults.with(TextProperty.SIZE, 10.0);
        styles = Collections.unmodifiableMap(new LinkedHashMap<>(styles));
    }

    /** The style of this id, or null. */
    public Style style(String id) { return id == null ? null : styles.get(id); }

    /** This sheet with a style added or replaced. */
    public StyleSheet with(Style style) {
        Map<String, Style> copy = new LinkedHashMap<>(styles);
        copy.put(style.id(), style);
        return new StyleSheet(defaults, defaultParagraph, defaultTable, copy);
    }

    /** The look of a style with all its parents beneath it; a loop of parents is cut where it closes. */
    public Look chain(String id) {
        Look look = Look.PLAIN;
        Set<String> seen = new HashSet<>();
        for (Style style = style(id); style != null && seen.add(style.id()); style = style(style.parent())) {
            Look above = look;
            look = look.over(style.look());
            ParagraphProperty.TabStops own = above.get(ParagraphProperty.TABS);
            ParagraphProperty.TabStops below = style.look().get(ParagraphProperty.TABS);
            if (own != null && below != null) look = look.with(ParagraphProperty.TABS, own.over(below));
        }
        return look;
    }
}
