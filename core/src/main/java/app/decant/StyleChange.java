package app.decant;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * The styles of a document as they came and as they are: what looks otherwise by them, though nobody touched it itself.
 *
 * @param was what was in force
 * @param is  what is; the very same where no style is another
 */
record StyleChange(Cascade was, Cascade is) {
    /** What can be another on words that stay at their place on a page. */
    private static final List<Property<?>> ON_WORDS = List.of(TextProperty.BOLD, TextProperty.ITALIC, TextProperty.COLOUR, TextProperty.SIZE,
            TextProperty.FAMILY, TextProperty.UNDERLINE, TextProperty.STRIKE, TextProperty.HIGHLIGHT);

    /** Where no style is another. */
    static StyleChange none(Cascade cascade) { return new StyleChange(cascade, cascade); }

    /** What became of the styles that were in force as {@code was} says; null where others dress tables, headers or footers, which are set as a whole. */
    static StyleChange between(Document before, Cascade was, Document now) {
        if (before.styles().equals(now.styles())) return none(was);
        if (!Objects.equals(before.styles().defaultTable(), now.styles().defaultTable()) || !tables(before).equals(tables(now))) return null;
        StyleChange change = new StyleChange(was, Cascade.of(now));
        for (Section section : before.sections())
            for (List<Block> frame : section.frames().values()) if (change.reaches(frame)) return null;
        return change;
    }

    private static Map<String, Style> tables(Document document) {
        Map<String, Style> tables = new HashMap<>(document.styles().styles());
        tables.values().removeIf(style -> style.kind() != Style.Kind.TABLE);
        return tables;
    }

    boolean isNone() { return was == is; }

    /** Without what can be another on words that stay where they are. */
    static Look set(Look look) {
        Look set = look;
        for (Property<?> property : ON_WORDS) set = set.without(property);
        return set;
    }

    /** Whether a paragraph is set otherwise: at other edges, with other room. */
    boolean sets(Paragraph paragraph) { return !isNone() && !set(was.paragraph(paragraph)).equals(set(is.paragraph(paragraph))); }

    /** Whether words of a paragraph look otherwise. */
    boolean dresses(Paragraph paragraph) {
        if (isNone()) return false;
        for (Inline inline : paragraph.inlines())
            if (inline.length() > 0 && !was.text(paragraph, inline.look()).equals(is.text(paragraph, inline.look()))) return true;
        return false;
    }

    /** Whether notes or boxes that hang on a paragraph look otherwise in any way. */
    boolean reachesOn(Paragraph paragraph) {
        if (isNone()) return false;
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.Note note && reaches(note.blocks())) return true;
            if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box && reaches(box.blocks())) return true;
        }
        return false;
    }

    private boolean reaches(List<? extends Block> blocks) {
        if (isNone()) return false;
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph && (sets(paragraph) || dresses(paragraph) || reachesOn(paragraph))) return true;
            if (!(block instanceof Table table)) continue;
            for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) if (reaches(cell.blocks())) return true;
        }
        return false;
    }
}
