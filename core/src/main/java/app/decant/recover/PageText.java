package app.decant.recover;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Link;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.page.Canvas;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Piece;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.SourceFile;
import app.decant.pdf.read.SourcePage;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.LineFinder;
import app.decant.recover.region.DrawnSigns;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntPredicate;

/**
 * What a page shows, told the same way for a PDF that exists and for a document laid out here, so that the two can be compared: lines of text with
 * their places, pictures, links. Points from the page's top left corner.
 */
public record PageText(int index, double width, double height, List<Line> lines, List<Shown> pictures, Set<String> links) {
    public PageText {
        lines = List.copyOf(lines);
        pictures = List.copyOf(pictures);
        links = Collections.unmodifiableSet(new TreeSet<>(links));
    }

    /**
     * A stretch of text on one baseline, up to a wide gap.
     *
     * @param looks how its letters look, spaces apart, from its first to its last
     */
    public record Line(String text, double left, double right, double baseline, double size, List<Look> looks) {
        public Line { looks = List.copyOf(looks); }

        /** The family of its first letters; empty where it has none. */
        public String family() { return looks.isEmpty() ? "" : looks.get(0).family(); }
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
            List<PageText> pages = new ArrayList<>();
            for (int i = 0; i < source.pages(); i++) {
                if (!wanted.test(i)) continue;
                progress.step(i, source.pages(), SourceFile.READING);
                SourcePage page = PageReader.upright(source, i, progress);
                boolean scan = page.isScan();
                List<Glyph> shown = DrawnSigns.with(page, page.glyphs().stream().filter(glyph -> glyph.seen() || scan).toList());
                pages.add(of(i, page.width(), page.height(), shown, page.pictures().stream().map(placed -> new Shown(placed.x(), placed.y(), placed.width(),
                        placed.height())).toList(), links(page.glyphs())));
            }
            return pages;
        }
    }

    /** The pages of a laid-out document. */
    public static List<PageText> of(Pages pages) {
        List<PageText> result = new ArrayList<>();
        for (Page page : pages.pages()) result.add(of(page));
        return result;
    }

    /** A page that is laid out. */
    public static PageText of(Page page) {
        List<Glyph> glyphs = new ArrayList<>();
        List<Shown> pictures = new ArrayList<>();
        Set<String> links = new TreeSet<>();
        page.show(new Canvas() {
            @Override public void glyphs(Piece.Glyphs piece, double x, double baseline, Colour colour) {
                FaceUse face = new FaceUse(piece.style().face().family(), piece.style().face().bold(), piece.style().face().italic(), true, false, true);
                int count = piece.glyphs().length;
                for (int i = 0; i < count; i++) {
                    int from = piece.clusters()[i];
                    boolean first = i == 0 || piece.clusters()[i - 1] != from;
                    int next = piece.text().length();
                    for (int k = 0; k < count; k++) if (piece.clusters()[k] > from) next = Math.min(next, piece.clusters()[k]);
                    String text = first ? piece.text().substring(from, next).replace("\u00AD", "") : "";
                    glyphs.add(new Glyph(text, x + piece.glyphX()[i], baseline, piece.glyphX()[i + 1] - piece.glyphX()[i], piece.style().size(), piece.style()
                            .size() * 0.25, face, colour.rgb() & 0xFFFFFF, -1, 0, true, piece.style().link(), glyphs.size()));
                }
            }

            @Override public void fill(double x, double y, double width, double height, Colour colour) { }
            @Override public void rule(double x1, double y1, double x2, double y2, Border border) { }
            @Override public void picture(Picture picture, double x, double y) {
                boolean drawing = picture.image().type().equals("application/pdf");
                if (!drawing) pictures.add(new Shown(x, y, picture.width(), picture.height()));
            }
            @Override public void unseen(Picture.Word word, double x, double baseline) {
                glyphs.add(new Glyph(word.text(), x, baseline, word.width(), word.size(), word.size() * 0.25, new FaceUse("", false, false, true, false,
                        true), 0, -1, 0, false, null, glyphs.size()));
            }

            @Override public void link(double x, double y, double width, double height, Link link) {
                if (link instanceof Link.Address address) links.add(address.uri());
            }
        });
        return of(page.index(), page.width(), page.height(), glyphs, pictures, links);
    }

    private static PageText of(int index, double width, double height, List<Glyph> glyphs, List<Shown> pictures, Set<String> links) {
        List<Glyph> upright = glyphs.stream().filter(glyph -> glyph.angle() <= 3 || glyph.angle() >= 357).filter(glyph -> glyph.baseline() > 0
                && glyph.baseline() < height + glyph.size() && glyph.x() < width && glyph.right() > 0).toList();
        List<Line> lines = new ArrayList<>();
        for (Chunk chunk : LineFinder.chunks(upright)) {
            lines.add(new Line(chunk.text(), chunk.left(), chunk.right(), chunk.baseline(), chunk.size(), looks(chunk)));
        }
        lines.sort(Comparator.comparingDouble(Line::baseline).thenComparingDouble(Line::left));
        return new PageText(index, width, height, lines, pictures, links);
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
