package app.decant.recover;

import app.decant.document.Link;
import app.decant.document.Progress;
import app.decant.page.Pages;
import app.decant.page.Passage;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.SourceFile;
import app.decant.pdf.read.SourcePage;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.LineFinder;
import app.decant.recover.line.ListLabel;
import app.decant.recover.region.DrawnSigns;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.IntPredicate;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;

/**
 * What a page shows, told the same way for a PDF that exists and for a document laid out here, so that the two can be compared: lines of text with
 * their places, pictures, links, fields. Points from the page's top left corner.
 *
 * @param turn   how far it was turned clockwise to be read, beyond what it says itself: 0, 90, 180 or 270
 * @param label  its number as printed; null where the file does not say
 * @param scan   whether it is a picture as a whole, what is read on it laid beneath
 * @param fields how many fields of a form there are to be filled in
 */
public record PageText(int index, double width, double height, int turn, String label, boolean scan, List<Line> lines, List<Shown> pictures,
        Set<String> links, int fields) {
    private static final COSName WIDGET = COSName.getPDFName("Widget");
    private static final int MOST_STRUCTURED = 1500;
    private static final double ROW = 1.5;
    private static final int HIDDEN = 2;
    private static final int PUSH_BUTTON = 1 << 16;

    public PageText {
        lines = List.copyOf(lines);
        pictures = List.copyOf(pictures);
        links = Collections.unmodifiableSet(new TreeSet<>(links));
    }

    /** A page of the same size that shows nothing. */
    public PageText blank() { return new PageText(index, width, height, turn, null, false, List.of(), List.of(), Set.of(), 0); }

    /**
     * A stretch of text on one baseline, up to a wide gap.
     *
     * @param looks how its letters look, spaces apart, from its first to its last
     * @param begin what begins with it
     */
    public record Line(String text, double left, double right, double baseline, double size, List<Look> looks, Begin begin) {
        public Line { looks = List.copyOf(looks); }

        /** The family of its first letters; empty where it has none. */
        public String family() { return looks.isEmpty() ? "" : looks.get(0).family(); }
    }

    /**
     * What begins with a line: of a document that is known, of a PDF only guessed.
     *
     * @param level of a heading, from 1; 0 for all else
     */
    public record Begin(Kind kind, int level) {
        /** A line that says nothing of what it is. */
        public static final Begin UNKNOWN = new Begin(Kind.UNKNOWN, 0);

        /** {@code GOES_ON} is what the line before began, {@code TABBED} the same on the same line; {@code LABELLED} looks like an item. */
        public enum Kind { UNKNOWN, LABELLED, GOES_ON, TABBED, PARAGRAPH, HEADING, ITEM, CELL }

        /** Whether it was a document that said so. */
        public boolean isKnown() { return kind != Kind.UNKNOWN && kind != Kind.LABELLED; }
    }

    /**
     * Letters of a line that look alike.
     *
     * @param letters how many, spaces apart
     * @param left    where they begin, {@code right} where they end
     */
    public record Look(int letters, double left, double right, int rgb, String family, boolean bold, boolean italic, double size) {
        /** Both as one. */
        private Look with(Look other) {
            return new Look(letters + other.letters, Math.min(left, other.left), Math.max(right, other.right), rgb, family, bold, italic, size);
        }

        private boolean isLike(Look other) {
            return rgb == other.rgb && family.equals(other.family) && bold == other.bold && italic == other.italic && Math.abs(size - other.size) < 0.05;
        }
    }

    /** A picture, and where. */
    public record Shown(double x, double y, double width, double height) { }

    /**
     * The pages of a PDF.
     *
     * @throws app.decant.document.DecantException as {@link Recovery#of} does
     */
    public static List<PageText> of(byte[] pdf, String name, String password, Progress progress) {
        return of(pdf, name, password, page -> true, progress);
    }

    /** The same of some pages, by their indexes. */
    public static List<PageText> of(byte[] pdf, String name, String password, IntPredicate wanted, Progress progress) {
        try (SourceFile source = SourceFile.open(pdf, name, password)) {
            return of(source, wanted, progress);
        }
    }

    /** The same of a file that is open. */
    public static List<PageText> of(SourceFile source, IntPredicate wanted, Progress progress) {
        List<PageText> pages = new ArrayList<>();
        String[] labels = source.pdf().getDocumentCatalog().getCOSObject().containsKey(COSName.PAGE_LABELS) ? source.labels() : null;
        for (int i = 0; i < source.pages(); i++) {
            if (!wanted.test(i)) continue;
            progress.step(i, source.pages(), SourceFile.READING);
            SourcePage page = PageReader.upright(source, i, progress);
            boolean scan = page.isScan();
            List<Glyph> shown = DrawnSigns.with(page, page.glyphs().stream().filter(glyph -> glyph.seen() || scan).toList());
            pages.add(new PageText(i, page.width(), page.height(), page.turn(), labels == null || i >= labels.length ? null : labels[i], scan,
                    lines(shown, page.width(), page.height(), PageText::guessed), page.pictures().stream().map(placed -> new Shown(placed.x(), placed.y(),
                    placed.width(), placed.height())).toList(), links(page.glyphs()), fields(source.pdf().getPage(i).getCOSObject())));
        }
        return pages;
    }

    /** The pages of a laid-out document. */
    public static List<PageText> of(Pages pages) {
        // Of what nobody reads as a text, such as a workbook of thousands of pages, the structure alone would be larger than all else.
        Map<Passage, Begin> begins = pages.count() > MOST_STRUCTURED ? Map.of() : LaidText.begins(pages.structure());
        return pages.pages().stream().map(page -> LaidText.of(page, begins)).toList();
    }

    private static Begin guessed(Chunk chunk) {
        String text = chunk.text();
        return ListLabel.length(text) > 0 || ListLabel.isAlone(text) ? new Begin(Begin.Kind.LABELLED, 0) : Begin.UNKNOWN;
    }

    /** Fields that can be seen and filled in; a button is none (ISO 32000-2, 12.7.5.2.2). */
    private static int fields(COSDictionary page) {
        COSArray annotations = page.getCOSArray(COSName.ANNOTS);
        int fields = 0;
        for (int i = 0; annotations != null && i < annotations.size(); i++) {
            if (!(annotations.getObject(i) instanceof COSDictionary one) || !WIDGET.equals(one.getCOSName(COSName.SUBTYPE))) continue;
            COSDictionary parent = one.getCOSDictionary(COSName.PARENT);
            int flags = one.getInt(COSName.FF, parent == null ? 0 : parent.getInt(COSName.FF, 0));
            boolean hidden = (one.getInt(COSName.F, 0) & HIDDEN) != 0;
            if (!hidden && (flags & PUSH_BUTTON) == 0) fields++;
        }
        return fields;
    }

    static List<Line> lines(List<Glyph> glyphs, double width, double height, Function<Chunk, Begin> begin) {
        List<Glyph> upright = glyphs.stream().filter(glyph -> glyph.angle() <= 3 || glyph.angle() >= 357).filter(glyph -> glyph.baseline() > 0
                && glyph.baseline() < height + glyph.size() && glyph.x() < width && glyph.right() > 0).toList();
        List<Line> lines = new ArrayList<>();
        for (Chunk chunk : LineFinder.chunks(upright)) {
            lines.add(new Line(chunk.text(), chunk.left(), chunk.right(), chunk.baseline(), chunk.size(), looks(chunk), begin.apply(chunk)));
        }
        return inRows(lines);
    }

    /** Row by row, from left to right: baselines that are nearly the same, as two writers round them, are one. */
    private static List<Line> inRows(List<Line> lines) {
        lines.sort(Comparator.comparingDouble(Line::baseline));
        List<Line> rows = new ArrayList<>();
        for (int from = 0, to; from < lines.size(); from = to) {
            to = from + 1;
            while (to < lines.size() && lines.get(to).baseline() - lines.get(from).baseline() < ROW) to++;
            lines.subList(from, to).stream().sorted(Comparator.comparingDouble(Line::left)).forEach(rows::add);
        }
        return rows;
    }

    private static List<Look> looks(Chunk chunk) {
        List<Look> looks = new ArrayList<>();
        for (Glyph glyph : chunk.glyphs()) {
            int letters = glyph.text().replaceAll("[\\s\u00A0\u00AD]", "").length();
            if (letters == 0) continue;
            FaceUse face = glyph.face();
            Look own = new Look(letters, glyph.x(), glyph.right(), glyph.rgb(), face.family(), face.bold(), face.italic(), glyph.size());
            Look last = looks.isEmpty() ? null : looks.get(looks.size() - 1);
            if (last != null && last.isLike(own))
                looks.set(looks.size() - 1, last.with(own));
            else looks.add(own);
        }
        return looks;
    }

    private static Set<String> links(List<Glyph> glyphs) {
        Set<String> links = new TreeSet<>();
        for (Glyph glyph : glyphs) if (glyph.link() instanceof Link.Address address) links.add(address.uri());
        return links;
    }
}
