package app.decant.desktop.table;

import app.decant.desktop.table.PageSheet.Light.Kind;
import app.decant.desktop.work.Desk;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Pictures;
import app.decant.edit.Reviewing;
import app.decant.edit.Selection;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Passage;
import app.decant.page.Piece;
import app.decant.spelling.Spelling.Slip;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** What is lit on pages over and under their letters: what is picked, found, changed, remarked on, misspelled, to be filled in; rectangles in points. */
final class Lights {
    /** How wide the bar beside what was changed is, and how far from the text, in points. */
    private static final double BAR = 1.6;
    private static final double BAR_AWAY = 16;

    private final Desk desk;
    private final Map<Integer, List<Reviewing.Passage>> reviewedByPage = new HashMap<>();
    private List<TextSelection> marks = List.of();
    private List<Reviewing.Passage> reviewed = List.of();
    private PagedDocument reviewedOn;

    Lights(Desk desk) { this.desk = desk; }

    void mark(List<TextSelection> spans) { marks = spans; }

    /** Whether that is anything new. */
    boolean review(List<Reviewing.Passage> found) {
        if (found.equals(reviewed)) return false;
        reviewed = found;
        reviewedOn = null;
        return true;
    }

    /** All that is lit on a page. */
    List<PageSheet.Light> on(PagedDocument pages, Page page) {
        List<PageSheet.Light> lights = new ArrayList<>();
        add(lights, Kind.REMARKED, reviewed(page, Reviewing.Remarked.class));
        add(lights, Kind.FILLABLE, places(page));
        add(lights, Kind.TOUCHED, touched(page));
        add(lights, Kind.MARKED, marked(pages, page));
        add(lights, Kind.PICKED, rectangles(pages, page));
        add(lights, Kind.FRAMED, framed(page));
        for (double[] one : doubtful(page)) lights.add(new PageSheet.Light(Kind.DOUBTFUL, one[0], one[1], one[2], 0));
        return lights;
    }

    private static void add(List<PageSheet.Light> lights, Kind kind, List<double[]> places) {
        for (double[] one : places) lights.add(new PageSheet.Light(kind, one[0], one[1], one[2], one[3]));
    }

    /** A selection that was made for another state of the document is not drawn. */
    static boolean fits(PagedDocument pages, TextSelection span) {
        Walk walk = pages.walk(span.story());
        return walk.indexOf(span.head().path()) >= 0 && walk.indexOf(span.anchor().path()) >= 0;
    }

    private List<double[]> rectangles(PagedDocument pages, Page page) {
        TextSelection span = desk.selection().get();
        if (span == null || span.isEmpty() || !fits(pages, span) || Pictures.picked(desk.document(), span) != null) return List.of();
        Selection picked = Tables.asCells(desk.document(), span);
        if (picked == span) return rectangles(pages, page, span);
        // Of cells each is lit by itself.
        List<double[]> all = new ArrayList<>();
        for (Selection.Stretch stretch : picked.stretches(desk.document())) {
            TextSelection whole = new TextSelection(new Place(picked.story(), stretch.path(), stretch.from()),
                    new Place(picked.story(), stretch.path(), stretch.to()));
            if (fits(pages, whole)) all.addAll(rectangles(pages, page, whole));
        }
        return all;
    }

    private List<double[]> marked(PagedDocument pages, Page page) {
        List<double[]> all = new ArrayList<>();
        for (TextSelection span : marks) if (fits(pages, span)) all.addAll(rectangles(pages, page, span));
        return all;
    }

    /** Under words that are perhaps misspelled: left, bottom and width. The word that is being typed is let alone until it is done. */
    private List<double[]> doubtful(Page page) {
        Map<Paragraph, List<Slip>> slips = desk.words().slips().get();
        if (slips.isEmpty()) return List.of();
        TextSelection span = desk.selection().get();
        Paragraph typed = span != null && span.isEmpty() && span.head().offset() > 0 ? desk.document().paragraph(span.head()) : null;
        List<double[]> lines = new ArrayList<>();
        for (Item item : page.items()) {
            if (!(item instanceof Item.LineItem line)) continue;
            Paragraph paragraph = TextPassage.paragraph(line);
            for (Slip slip : slips.getOrDefault(paragraph, List.of())) {
                int from = Math.max(slip.from(), line.line().start());
                int to = Math.min(slip.to(), line.line().end());
                if (from >= to || paragraph == typed && span.head().offset() == slip.to()) continue;
                double a = line.line().caretX(from);
                double b = line.line().caretX(to);
                if (line.turn() != 0) continue;
                lines.add(new double[] {line.left() + Math.min(a, b), line.baseline() + line.line().descent() * 0.45, Math.abs(b - a)});
            }
        }
        return lines;
    }

    /** Where something is to be filled in: an empty place would not be seen. */
    private static List<double[]> places(Page page) {
        List<double[]> places = new ArrayList<>();
        for (Item item : page.items()) {
            Paragraph paragraph = item instanceof Item.LineItem line ? TextPassage.paragraph(line) : null;
            if (paragraph == null) continue;
            Item.LineItem line = (Item.LineItem) item;
            int at = 0;
            for (Inline inline : paragraph.inlines()) {
                int from = Math.max(at, line.line().start());
                int to = Math.min(at + inline.length(), line.line().end());
                at += inline.length();
                if (from >= to || !inline.look().says(TextProperty.FORM)) continue;
                double a = line.line().caretX(from);
                double b = line.line().caretX(to);
                places.add(seen(line, line.left() + Math.min(a, b), Math.abs(b - a)));
            }
        }
        return places;
    }

    /** Beside what somebody changed on a page of a PDF: bars in the margin. */
    private List<double[]> touched(Page page) {
        List<double[]> bars = new ArrayList<>();
        double left = page.lines().stream().mapToDouble(Item.LineItem::left).min().orElse(0);
        Passage before = null;
        for (Item.LineItem line : page.lines()) {
            if (!desk.session().isTouched(TextPassage.paragraph(line))) continue;
            double[] above = bars.isEmpty() ? null : bars.get(bars.size() - 1);
            // One bar for all lines of a passage.
            if (line.passage().equals(before) && line.y() > above[1]) above[3] = line.y() + line.line().height() - above[1];
            else bars.add(new double[] {Math.max(BAR_AWAY / 2, left - BAR_AWAY), line.y(), BAR, line.line().height()});
            before = line.passage();
        }
        for (double[] one : reviewed(page, Reviewing.Changed.class)) bars.add(new double[] {Math.max(BAR_AWAY / 2, left - BAR_AWAY), one[1], BAR, one[3]});
        return bars;
    }

    /** Where passages of a kind that others left stand on a page. */
    private List<double[]> reviewed(Page page, Class<? extends Reviewing.Passage> kind) {
        PagedDocument pages = desk.pages().get();
        if (reviewed.isEmpty()) return List.of();
        if (reviewedOn != pages) byPage(pages);
        List<double[]> all = new ArrayList<>();
        for (Reviewing.Passage one : reviewedByPage.getOrDefault(page.index(), List.of()))
            if (kind.isInstance(one)) all.addAll(rectangles(pages, page, one.where()));
        return all;
    }

    /** Looks once where all of them stand, since a page is shown often. */
    private void byPage(PagedDocument pages) {
        reviewedOn = pages;
        reviewedByPage.clear();
        for (Reviewing.Passage one : reviewed) {
            if (!fits(pages, one.where())) continue;
            PagedDocument.Spot from = pages.spot(one.where().start());
            PagedDocument.Spot to = pages.spot(one.where().end());
            // What stands in headers and footers stands on many pages.
            boolean everywhere = one.where().story() instanceof Story.Frame || from == null || to == null;
            for (int page = everywhere ? 0 : from.page(); page <= (everywhere ? pages.count() - 1 : to.page()); page++)
                reviewedByPage.computeIfAbsent(page, key -> new ArrayList<>()).add(one);
        }
    }

    private static List<double[]> rectangles(PagedDocument pages, Page page, TextSelection span) {
        List<double[]> rectangles = new ArrayList<>();
        Walk walk = pages.walk(span.story());
        boolean body = span.story() instanceof Story.Body;
        int from = walk.indexOf(span.start().path());
        int to = walk.indexOf(span.end().path());
        for (Item item : page.items()) {
            if (!(item instanceof Item.LineItem line) || line.editable() != body) continue;
            int index = walk.indexOf(TextPassage.paragraph(line));
            if (index < from || index > to) continue;
            int start = index == from ? Math.max(line.line().start(), span.start().offset()) : line.line().start();
            int end = index == to ? Math.min(line.line().end(), span.end().offset()) : line.line().end();
            boolean whole = index < to && end == line.line().end();
            if (start > end || start == end && !whole) continue;
            double a = line.left() + line.line().caretX(start);
            double b = line.left() + line.line().caretX(end);
            double left = Math.min(a, b);
            double width = Math.abs(a - b) + (whole && line.line().end() == line.passage().length() ? 4 : 0);
            rectangles.add(seen(line, left, width));
        }
        return rectangles;
    }

    /** A part of a line on its page: left, top, width and height. */
    private static double[] seen(Item.LineItem line, double left, double width) {
        Rectangle2D area = line.seen(new Rectangle2D.Double(left, line.y(), width, line.line().height()));
        return new double[] {area.getX(), area.getY(), area.getWidth(), area.getHeight()};
    }

    /** The frame of a picture that is picked. */
    List<double[]> framed(Page page) {
        TextSelection span = desk.selection().get();
        Picture picked = span == null || span.isEmpty() ? null : Pictures.picked(desk.document(), span);
        if (picked == null) return List.of();
        List<double[]> frames = new ArrayList<>();
        for (Item item : page.items()) {
            if (item instanceof Item.PictureItem one && one.picture() == picked) frames.add(new double[] {one.x(), one.y(), picked.width(), picked.height()});
            if (!(item instanceof Item.LineItem line)) continue;
            for (Piece piece : line.line().pieces()) {
                if (piece instanceof Piece.PictureBox box && box.picture() == picked)
                    frames.add(new double[] {line.left() + box.x(), line.baseline() - picked.height(), picked.width(), picked.height()});
            }
        }
        return frames;
    }
}
