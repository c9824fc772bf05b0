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
import app.decant.page.Line;
import app.decant.page.Piece;
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
    /** Signs that have no part in ligatures, are not kerned, and between which no line breaks that is endless. */
    private static final String SIGNS = "0123456789.,-+%#E()";
    private static final int LONGEST = 64;

    private final Composer composer;
    private final Map<Asked, Lines> remembered = new HashMap<>();
    private final Map<Look, Signs> known = new HashMap<>();

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

    /**
     * A plain paragraph whose signs each stand by themselves, as those of numbers do: one line, as {@link #set} would make it, of signs that are set once.
     *
     * @param look of all of them
     */
    public Lines signs(Paragraph paragraph, Look look) {
        String text = paragraph.text();
        Signs signs = text.isEmpty() || text.length() > LONGEST ? null : known.computeIfAbsent(look, key -> new Signs());
        if (known.size() > MOST_REMEMBERED) known.clear();
        Line like = null;
        int count = text.length();
        int[] glyphs = new int[count];
        int[] clusters = new int[count];
        float[] places = new float[count + 1];
        Piece.Glyphs first = null;
        for (int i = 0; i < count && signs != null; i++) {
            Line one = SIGNS.indexOf(text.charAt(i)) < 0 ? null : signs.of(text.charAt(i), look);
            Piece.Glyphs piece = one == null ? null : (Piece.Glyphs) one.pieces().get(0);
            if (piece == null || first != null && !piece.style().equals(first.style())) return set(paragraph, ENDLESS);
            if (first == null) first = piece;
            like = one;
            glyphs[i] = piece.glyphs()[0];
            clusters[i] = i;
            places[i + 1] = (float) (places[i] + piece.width());
        }
        if (first == null) return set(paragraph, ENDLESS);
        Piece all = new Piece.Glyphs(first.style(), text, 0, count, glyphs, places, null, clusters, false);
        Line line = new Line(0, count, like.x(), like.gap(), places[count], like.height(), like.baseline(), like.ascent(), like.descent(), List.of(all),
                like.after());
        return new Lines(List.of(new Item.LineItem(new TextPassage(paragraph), line, signs.x, signs.y, signs.editable)), signs.height);
    }

    /** The signs of numbers in one look, each as a line of its own. */
    private final class Signs {
        private final Map<Character, Line> lines = new HashMap<>();
        private double x;
        private double y;
        private double height;
        private boolean editable;

        /** A sign that is one glyph on its line and stands as others do; else null. */
        Line of(char sign, Look look) {
            if (lines.containsKey(sign)) return lines.get(sign);
            Lines set = laid(new Paragraph(null, Look.PLAIN, look, List.of(new Inline.Text(String.valueOf(sign), look))), ENDLESS);
            Line line = set.lines().size() == 1 ? set.lines().get(0).line() : null;
            boolean plain = line != null && line.pieces().size() == 1 && line.pieces().get(0) instanceof Piece.Glyphs piece && piece.glyphs().length == 1
                    && piece.glyphY() == null && !piece.rightToLeft() && piece.x() == 0 && piece.isText();
            if (plain && lines.isEmpty()) {
                x = set.lines().get(0).x();
                y = set.lines().get(0).y();
                height = set.height();
                editable = set.lines().get(0).editable();
            }
            lines.put(sign, plain ? line : null);
            return plain ? line : null;
        }
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
