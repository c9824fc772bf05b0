package app.decant.recover;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.FormField;
import app.decant.document.Link;
import app.decant.document.ParagraphProperty.TabStop.Leader;
import app.decant.document.Picture;
import app.decant.page.Canvas;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Passage;
import app.decant.page.Piece;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import app.decant.recover.PageText.Begin;
import app.decant.recover.PageText.Shown;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Tells what a page shows that is laid out here. */
final class LaidText implements Canvas {
    private final List<Glyph> glyphs = new ArrayList<>();
    private final List<Shown> pictures = new ArrayList<>();
    private final Set<String> links = new TreeSet<>();
    private final Set<FormField> fields = new HashSet<>();

    private LaidText() { }

    static PageText of(Page page, Map<Passage, Begin> begins) {
        LaidText shown = new LaidText();
        page.show(shown);
        Map<Long, List<Item.LineItem>> items = new HashMap<>();
        for (Item item : page.items())
            if (item instanceof Item.LineItem line && !line.line().pieces().isEmpty())
                items.computeIfAbsent(Math.round(line.baseline()), key -> new ArrayList<>()).add(line);
        return new PageText(page.index(), page.width(), page.height(), 0, page.label(), false, PageText.lines(shown.glyphs, page.width(), page.height(),
                chunk -> begin(chunk, items, begins)), shown.pictures, shown.links, shown.fields.size());
    }

    /** What begins with each passage. */
    static Map<Passage, Begin> begins(Element root) {
        Map<Passage, Begin> begins = new HashMap<>();
        collect(root, Begin.Kind.PARAGRAPH, begins);
        return begins;
    }

    private static void collect(Element element, Begin.Kind within, Map<Passage, Begin> begins) {
        Begin.Kind kind = switch (element.role()) {
            case CELL, HEAD_CELL -> Begin.Kind.CELL;
            case ITEM -> within == Begin.Kind.CELL ? within : Begin.Kind.ITEM;
            case HEADING -> Begin.Kind.HEADING;
            case CONTENTS -> Begin.Kind.ITEM;
            default -> within;
        };
        if (element.text() != null) begins.putIfAbsent(element.text(), new Begin(kind, element.level()));
        for (Element child : element.children()) collect(child, kind, begins);
    }

    /** @param items by their baselines, rounded */
    private static Begin begin(Chunk chunk, Map<Long, List<Item.LineItem>> items, Map<Passage, Begin> begins) {
        List<Item.LineItem> near = new ArrayList<>();
        for (long y = Math.round(chunk.baseline()) - 1; y <= Math.round(chunk.baseline()) + 1; y++) near.addAll(items.getOrDefault(y, List.of()));
        for (Item.LineItem item : near) {
            double from = item.line().pieces().get(0).x();
            boolean here = Math.abs(item.baseline() - chunk.baseline()) < 1 && chunk.left() > item.left() + from - 1
                    && chunk.left() < item.left() + item.line().x() + item.line().width() + 1;
            Begin whole = here ? begins.get(item.passage()) : null;
            if (whole == null) continue;
            if (chunk.left() < item.left() + from + 1) return item.line().start() == 0 ? whole : new Begin(Begin.Kind.GOES_ON, 0);
            boolean tabbed = whole.kind() == Begin.Kind.PARAGRAPH && isTabbed(item, chunk);
            return new Begin(tabbed ? Begin.Kind.TABBED : Begin.Kind.GOES_ON, 0);
        }
        return Begin.UNKNOWN;
    }

    /** Whether a tab that shows nothing leads to a stretch of a line. */
    private static boolean isTabbed(Item.LineItem item, Chunk chunk) {
        return item.line().pieces().stream().anyMatch(piece -> piece instanceof Piece.Tab tab && tab.leader() == Leader.NONE
                && Math.abs(item.left() + tab.x() + tab.width() - chunk.left()) < 2);
    }

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

    @Override public boolean field(Piece.Glyphs piece, double x, double y, double width, double height, double room) {
        fields.add(piece.style().form());
        return false;
    }

    @Override public void picture(Picture picture, double x, double y) {
        boolean drawing = picture.image().type().equals("application/pdf");
        if (!drawing) pictures.add(new Shown(x, y, picture.width(), picture.height()));
    }

    @Override public void unseen(Picture.Word word, double x, double baseline) {
        glyphs.add(new Glyph(word.text(), x, baseline, word.width(), word.size(), word.size() * 0.25, new FaceUse("", false, false, true, false, true), 0, -1,
                0, false, null, glyphs.size()));
    }

    @Override public void link(double x, double y, double width, double height, Link link) {
        if (link instanceof Link.Address address) links.add(address.uri());
    }

    @Override public void fill(double x, double y, double width, double height, Colour colour) { }
    @Override public void rule(double x1, double y1, double x2, double y2, Border border) { }
}
