package app.decant.layout;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.StyleSheet;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Sets the text of what is no text document, such as cells of workbooks: paragraphs by themselves, in lines of a width, by the same rules as those of
 * documents. Remembers what fonts were wished for. One thread at a time.
 */
public final class CellText {
    /** No line is ever as long, so that none is broken. */
    public static final double ENDLESS = 100_000;
    private static final int MOST_REMEMBERED = 20_000;

    private final Composer composer;
    private final Map<Asked, Lines> remembered = new HashMap<>();

    private record Asked(Look paragraph, List<Inline> inlines, double width) { }

    /** Lines one under another from {@code (0, 0)} down, and how high they are. */
    public record Lines(List<Item.LineItem> lines, double height) {
        /** How far to the right they reach. */
        public double width() {
            double width = 0;
            for (Item.LineItem line : lines) width = Math.max(width, line.left() + line.line().width());
            return width;
        }
    }

    /** @param plain what letters look like of which nothing is said */
    public CellText(FontCatalogue fonts, Look plain) {
        Document document = Document.empty();
        Cascade cascade = new Cascade(new StyleSheet(plain, null, null, Map.of()), document.numbering());
        composer = new Composer(new StyleBook(cascade, fonts, document.facts().language()), document.tabWidth());
        composer.surround(ListLabels.of(document, cascade), Map.of(), new FieldValues("1", 1, 1, "", Map.of(), Map.of(), Facts.NONE, LocalDate.EPOCH));
    }

    /** A paragraph in lines of a width. */
    public Lines set(Paragraph paragraph, double width) {
        // Cells say the same over and over; what a paragraph holds tells all that is seen of it.
        if (remembered.size() > MOST_REMEMBERED) remembered.clear();
        return remembered.computeIfAbsent(new Asked(paragraph.look(), paragraph.inlines(), width), key -> laid(paragraph, width));
    }

    private Lines laid(Paragraph paragraph, double width) {
        if (composer.rememberedCount() > MOST_REMEMBERED) composer.keepOnly(Set.of());
        List<Item.LineItem> lines = new ArrayList<>();
        List<Strip> strips = composer.stack(List.of(paragraph), Look.PLAIN, width);
        for (Item item : Composer.placed(strips, 0, 0)) if (item instanceof Item.LineItem line) lines.add(line);
        return new Lines(lines, Strip.height(strips));
    }

    /** The fonts that were wished for, and what was found for each. */
    public Collection<FontCatalogue.Match> fonts() { return List.copyOf(composer.styles().wishes().values()); }

    /** The characters that no face at hand can draw. */
    public Set<Integer> missing() { return Set.copyOf(composer.styles().missing()); }
}
