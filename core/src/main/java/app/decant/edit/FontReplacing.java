package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.FontFile;
import app.decant.document.Look;
import app.decant.document.Property;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TableProperty.TablePart;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The fonts of a document: a family replaced by another wherever it is said, in styles, their parts for tables, passages of their own; one brought along. */
public final class FontReplacing {
    private static final List<Property<String>> FAMILIES = List.of(TextProperty.FAMILY, TextProperty.COMPLEX_FAMILY, TextProperty.EAST_ASIAN_FAMILY);

    private FontReplacing() { }

    /** One undo step; nothing where the document does not say the family. */
    public static Change replace(Document document, Selection picked, String from, String to) {
        Draft draft = new Draft(document, picked);
        StyleSheet styles = document.styles();
        Map<String, Style> made = new LinkedHashMap<>();
        styles.styles().forEach((id, style) -> {
            Map<TablePart, Look> parts = new EnumMap<>(TablePart.class);
            style.parts().forEach((part, look) -> parts.put(part, in(look, from, to)));
            made.put(id, new Style(style.id(), style.name(), style.kind(), style.parent(), style.next(), in(style.look(), from, to), parts));
        });
        StyleSheet other = new StyleSheet(in(styles.defaults(), from, to), styles.defaultParagraph(), styles.defaultTable(), made);
        if (!other.equals(styles)) draft.add(new StyleStep(other, document.numbering()));
        Styles.dress(draft, paragraph -> paragraph.withMark(in(paragraph.mark(), from, to))
                .withInlines(paragraph.inlines().stream().map(inline -> inline.with(in(inline.look(), from, to))).toList()));
        return draft.done(EditKind.STYLE, picked);
    }

    /** A font for this document, whatever is on the machine: it is set in it from now on, and takes it along into files that hold fonts. */
    public static Change add(Document document, Selection picked, FontFile font) {
        Draft draft = new Draft(document, picked);
        List<FontFile> fonts = new ArrayList<>(document.fonts());
        fonts.removeIf(one -> one.family().equalsIgnoreCase(font.family()) && one.bold() == font.bold() && one.italic() == font.italic());
        fonts.add(font);
        if (!fonts.equals(document.fonts())) draft.add(new FontStep(fonts));
        return draft.done(EditKind.STYLE, picked);
    }

    private static Look in(Look look, String from, String to) {
        Look made = look;
        for (Property<String> property : FAMILIES) if (from.equalsIgnoreCase(look.get(property))) made = made.with(property, to);
        return made;
    }
}
