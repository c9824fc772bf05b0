package app.decant.recover;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * A document whose structure is known, described apart from every format, so that several writers can publish it and what is recovered can be
 * compared with it.
 *
 * @param head  stands at the top of each page, or null
 * @param foot  stands at the bottom of each page before its number, or null
 */
record Specimen(String name, String head, String foot, Manner manner, List<Piece> pieces) {
    Specimen { pieces = List.copyOf(pieces); }

    Specimen(String name, String head, String foot, boolean justified, boolean turned, List<Piece> pieces) {
        this(name, head, foot, new Manner(11, justified ? Set.of(Trait.JUSTIFIED) : turned ? Set.of(Trait.TURNED) : Set.of()), pieces);
    }

    boolean justified() { return manner.is(Trait.JUSTIFIED); }
    boolean turned() { return manner.is(Trait.TURNED); }

    /** What a document looks like as a whole. */
    enum Trait {
        JUSTIFIED, TURNED, SANS,
        /** First lines are indented, and nothing stands between paragraphs. */
        INDENTED,
        CENTRED_HEADS, COLOURED_HEADS, SERIF_HEADS,
        /** Pages of half the size. */
        BOOKLET
    }

    /** @param size of the letters of its body, in points */
    record Manner(double size, Set<Trait> traits) {
        Manner { traits = Set.copyOf(traits); }

        static Manner of(double size, Trait... traits) { return new Manner(size, Set.of(traits)); }

        boolean is(Trait trait) { return traits.contains(trait); }
        double leading() { return size * 1.26; }
        double indent() { return is(Trait.INDENTED) ? 1.4 * size : 0; }
        double gap() { return is(Trait.INDENTED) ? 0 : 0.64 * size; }
        double headSize(int level) { return size * (level == 1 ? 1.5 : level == 2 ? 1.18 : 1.04); }
        /** Its letters, as six digits. */
        String headColour() { return is(Trait.COLOURED_HEADS) ? "1F4E79" : "000000"; }
        double width() { return is(Trait.TURNED) ? 842 : is(Trait.BOOKLET) ? 420 : 595; }
        double height() { return is(Trait.TURNED) ? 595 : is(Trait.BOOKLET) ? 595 : 842; }
        double margin() { return is(Trait.BOOKLET) ? 48 : 70; }
    }

    /** A piece of it. */
    sealed interface Piece { }

    /** A heading; an odd one looks like bold body text. */
    record Head(int level, String text, boolean odd) implements Piece { }
    record Para(String text) implements Piece { }
    /** A paragraph with a link at its end. */
    record Linked(String text, String shown, String address) implements Piece { }
    /** A paragraph with a footnote after its text. */
    record Noted(String text, String mark, String note) implements Piece { }
    /** An item: its label as printed, and how deep it lies. */
    record Item(int level, String label, String text) implements Piece { }
    /** How a table is drawn: all its rules, none, three across as in books, or none with heads in white on blue. */
    enum Frame { RULED, OPEN, BOOK, SHADED }
    /** A table; the first row is a row of heads. */
    record Grid(Frame frame, List<Double> widths, List<List<String>> rows) implements Piece {
        Grid(boolean ruled, List<Double> widths, List<List<String>> rows) { this(ruled ? Frame.RULED : Frame.OPEN, widths, rows); }

        boolean ruled() { return frame == Frame.RULED; }
    }
    record Pic(double width, double height) implements Piece { }
    /** A contents list of the headings up to a level. */
    record Toc(List<String> titles, List<Integer> levels, List<Integer> pages) implements Piece { }
    /** Columns, read one after another. */
    record Columns(List<List<Piece>> columns) implements Piece { }
    /** A date that stands out to the left of its text. */
    record Dated(String date, String text) implements Piece { }
    /** A note in the margin, and the paragraph beside it. */
    record Aside(String note, String text) implements Piece { }
    /** Short lines, each a paragraph, as in an address. */
    record Address(List<String> lines) implements Piece { }
    /** A paragraph that begins with what it is about, in bold. */
    record Defined(String term, String text) implements Piece { }
    /** Lines that somebody broke; none of them is as wide as its column. */
    record Lines(List<String> lines) implements Piece { }
    /** A paragraph between wider margins, in italics. */
    record Quote(String text) implements Piece { }
    /** A small line in the middle, below a picture or a table. */
    record Caption(String text) implements Piece { }
    /** Paragraphs on a shaded ground. */
    record Panel(List<Piece> pieces) implements Piece { }
    /** Text that runs from column to column. */
    record Flow(int columns, List<Piece> pieces) implements Piece { }
    record RightToLeft(String text) implements Piece { }
    record NewPage() implements Piece { }

    List<String> paragraphs() {
        List<String> found = new ArrayList<>();
        for (Piece piece : flat(pieces)) {
            if (piece instanceof Para para) found.add(para.text);
            else if (piece instanceof Linked linked) found.add(linked.text + " " + linked.shown);
            else if (piece instanceof Noted noted) found.add(noted.text);
            else if (piece instanceof Dated dated) found.add(dated.date + " " + dated.text);
            else if (piece instanceof Aside aside) found.add(aside.text);
            else if (piece instanceof Address address) found.addAll(address.lines);
            else if (piece instanceof RightToLeft right) found.add(right.text);
            else if (piece instanceof Defined defined) found.add(defined.term + " " + defined.text);
            else if (piece instanceof Lines lines) found.addAll(lines.lines);
            else if (piece instanceof Quote quote) found.add(quote.text);
            else if (piece instanceof Caption caption) found.add(caption.text);
        }
        return found;
    }

    List<String> headings() {
        List<String> found = new ArrayList<>();
        for (Piece piece : flat(pieces)) if (piece instanceof Head head) found.add(head.level + " " + head.text);
        return found;
    }

    List<String> items() {
        List<String> found = new ArrayList<>();
        for (Piece piece : flat(pieces)) if (piece instanceof Item item) found.add(item.level + " " + item.label + " " + item.text);
        return found;
    }

    List<String> cells() {
        List<String> found = new ArrayList<>();
        int table = 0;
        for (Piece piece : flat(pieces)) {
            if (!(piece instanceof Grid grid)) continue;
            table++;
            for (int r = 0; r < grid.rows.size(); r++)
                for (int c = 0; c < grid.rows.get(r).size(); c++) found.add(table + "/" + r + "/" + c + " " + grid.rows.get(r).get(c));
        }
        return found;
    }

    List<String> links() {
        List<String> found = new ArrayList<>();
        for (Piece piece : flat(pieces)) if (piece instanceof Linked linked) found.add(linked.shown + " " + linked.address);
        return found;
    }

    List<String> notes() {
        List<String> found = new ArrayList<>();
        for (Piece piece : flat(pieces)) if (piece instanceof Noted noted) found.add(noted.note);
        return found;
    }

    List<String> asides() {
        List<String> found = new ArrayList<>();
        for (Piece piece : flat(pieces)) if (piece instanceof Aside aside) found.add(aside.note);
        return found;
    }

    int pictures() { return (int) flat(pieces).stream().filter(piece -> piece instanceof Pic).count(); }

    int contentsEntries() { return flat(pieces).stream().mapToInt(piece -> piece instanceof Toc toc ? toc.titles.size() : 0).sum(); }

    /** All text of the body in reading order; notes and asides apart. */
    String text() {
        StringBuilder text = new StringBuilder();
        for (Piece piece : flat(pieces)) {
            if (piece instanceof Head head) text.append(head.text);
            else if (piece instanceof Item item) text.append(item.text);
            else if (piece instanceof Grid grid) grid.rows.forEach(row -> row.forEach(cell -> text.append(cell).append(' ')));
            else if (piece instanceof Toc toc)
                for (int i = 0; i < toc.titles.size(); i++) text.append(toc.titles.get(i)).append('\t').append(toc.pages.get(i)).append(' ');
            else text.append(String.join(" ", new Specimen("", null, null, Manner.of(11), List.of(piece)).paragraphs()));
            text.append(' ');
        }
        return text.toString();
    }

    static List<Piece> flat(List<Piece> pieces) {
        List<Piece> flat = new ArrayList<>();
        for (Piece piece : pieces) {
            if (piece instanceof Columns columns) columns.columns.forEach(column -> flat.addAll(flat(column)));
            else if (piece instanceof Panel panel) flat.addAll(flat(panel.pieces));
            else if (piece instanceof Flow flow) flat.addAll(flat(flow.pieces));
            else flat.add(piece);
        }
        return flat;
    }

    boolean has(Class<? extends Piece> kind) { return pieces.stream().anyMatch(kind::isInstance) || flat(pieces).stream().anyMatch(kind::isInstance); }
}
