package app.decant.recover.region;

import app.decant.document.Inline.Field;
import app.decant.pdf.read.Box;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.Chunk;
import app.decant.recover.table.TableGrid;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Takes headers, footers and page numbers out of the body: lines at the edge of pages that come again in one place, apart from the text. */
public final class RunningHeads {
    private static final double ZONE = 0.18;
    /** A table of a header reaches down as far as this share of its page. */
    private static final double TABLE_ZONE = 0.28;
    private static final int MOST_ROWS = 4;
    /** Rows this close to each other, in points, stand in one place. */
    private static final double SAME = 0.5;
    /** On fewer pages than this nothing is usual. */
    private static final int FEW = 3;
    private static final Pattern LONE_NUMBER =
            Pattern.compile("(?iu)^(\\p{L}+\\.?\\s+)?[-–—\\[(]?\\s*\\d{1,4}\\s*[-–—\\])]?(\\s*(/|of|von|de|sur|av|van|di)\\s*\\d{1,4})?$");

    /** A lone head stands above this share of its page. */
    private static final double MARGIN = 0.09;

    private final List<PageMatter> pages;
    private final Map<Integer, List<FramePart>> headers = new HashMap<>();
    private final Map<Integer, List<FramePart>> footers = new HashMap<>();
    private final Map<Integer, List<Placed>> above = new HashMap<>();
    private final Map<Integer, List<Placed>> below = new HashMap<>();
    private Integer offset;

    private RunningHeads(List<PageMatter> pages) { this.pages = pages; }

    /** Takes them out of the pages' chunks. */
    public static RunningHeads take(List<PageMatter> pages) {
        RunningHeads heads = new RunningHeads(pages);
        heads.find(true);
        heads.find(false);
        heads.takeNumbered(true);
        heads.takeNumbered(false);
        heads.takeRules();
        heads.takePictures();
        return heads;
    }

    private void takePictures() {
        List<List<Placed>> running = RunningPictures.take(pages, pages.stream().map(PageMatter::pictures).toList());
        for (PageMatter page : pages) hang(page, running.get(page.index()));
    }

    /** Puts pictures behind the header or footer of a page, whichever is nearer. */
    public void hang(PageMatter page, List<Placed> some) {
        for (Placed one : some) (one.middleY() < page.height() / 2 ? above : below).computeIfAbsent(page.index(), key -> new ArrayList<>()).add(one);
    }

    /** The pictures that hang on a header, or on a footer. */
    public List<Placed> pictures(int page, boolean top) { return (top ? above : below).getOrDefault(page, List.of()); }

    public List<FramePart> header(int page) { return headers.getOrDefault(page, List.of()); }
    public List<FramePart> footer(int page) { return footers.getOrDefault(page, List.of()); }
    /** What has to be added to a page's index for its printed number; null where none is printed. */
    public Integer offset() { return offset; }

    private void find(boolean top) {
        Map<Integer, List<EdgeRow>> rows = new HashMap<>();
        Map<String, List<EdgeRow>> alike = new HashMap<>();
        for (PageMatter page : pages) {
            List<EdgeRow> own = rows(page, top);
            rows.put(page.index(), own);
            for (EdgeRow row : own) alike.computeIfAbsent(row.kind(), kind -> new ArrayList<>()).add(row);
        }
        Set<String> slots = new HashSet<>();
        Map<Integer, Integer> taken = new HashMap<>();
        for (PageMatter page : pages) {
            List<EdgeRow> own = rows.get(page.index());
            int count = 0;
            boolean counted = false;
            while (count < Math.min(MOST_ROWS, own.size()) && (own.get(count).isArtifact() || comesAgain(own.get(count), rows, alike)
                    && !isHeading(own, count))) {
                counted |= countsPages(own.get(count), alike);
                count++;
            }
            // Heads stand close together; what comes again beyond a gap is body text of pages that are much alike.
            for (int i = 1; i < count; i++) {
                if (!own.get(i).isArtifact() && gap(own.get(i), own.get(i - 1)) > 1.43 * Math.max(own.get(i).size(), own.get(i - 1).size())) count = i;
            }
            while (count > 0 && !(counted && count == 1 && own.get(0).text().length() <= 60) && !own.get(count - 1).isArtifact()
                    && (isInStep(own, count) || !isApart(own, count, top) && !isUsual(own.get(count - 1), alike))) count--;
            // A table that stands but once is one of the text.
            boolean lone = !own.isEmpty() && own.get(0).grid() == null;
            if (count == 0 && pages.size() == 1 && lone && isLoneHead(own, page, top)) count = 1;
            taken.put(page.index(), count);
            for (int i = 0; i < count; i++) slots.add(slot(own.get(i)));
        }
        // A head that changes from page to page, such as a chapter's title, stands where the others stand.
        long with = taken.values().stream().filter(count -> count > 0).count();
        for (PageMatter page : pages) {
            List<EdgeRow> own = rows.get(page.index());
            int count = taken.get(page.index());
            boolean lone = !own.isEmpty() && own.get(0).grid() == null;
            if (count == 0 && with * 2 >= pages.size() && pages.size() > 2 && lone && slots.contains(slot(own.get(0))) && isApart(own, 1, top))
                count = 1;
            if (count == 0 && top && page.index() > 0 && isInMargin(own, rows, page)) count = 1;
            for (int i = 0; i < count; i++) {
                EdgeRow row = own.get(i);
                take(row, page);
                List<FrameLine.Part> fields = fields(row, alike);
                (top ? headers : footers).computeIfAbsent(page.index(), key -> new ArrayList<>())
                        .add(row.grid() != null ? FrameTable.of(row, fields) : new FrameLine(row.lines().get(0), fields, null));
            }
        }
        if (!top) for (List<FramePart> parts : footers.values()) parts.sort(Comparator.comparingDouble(FramePart::baseline));
    }

    private static void take(EdgeRow row, PageMatter page) {
        if (row.grid() != null) page.tables().remove(row.grid());
        else page.chunks().removeAll(row.chunks());
    }

    /** The room between two rows, whichever is above the other. */
    private static double gap(EdgeRow one, EdgeRow other) { return Math.max(one.top() - other.bottom(), other.top() - one.bottom()); }

    /** Where pages are known to be numbered, a line at the edge that starts or ends with its page's number is a head, even if it comes but once. */
    private void takeNumbered(boolean top) {
        if (offset == null) return;
        Map<Integer, List<FramePart>> frames = top ? headers : footers;
        Map<Integer, List<EdgeRow>> left = new HashMap<>();
        for (PageMatter page : pages) left.put(page.index(), rows(page, top));
        for (PageMatter page : pages) {
            List<EdgeRow> own = left.get(page.index());
            if (frames.containsKey(page.index()) || own.isEmpty() || own.get(0).grid() != null || !isApart(own, 1, top)) continue;
            if (isHeading(own, 0) || frames.values().stream().noneMatch(lines -> standsAt(lines, own.get(0))) && !isOutside(own.get(0), left, top)) continue;
            String text = own.get(0).text();
            String number = String.valueOf(page.index() + offset);
            boolean ends = text.matches("(?s).*\\s" + number);
            if (!ends && !text.matches("(?s)" + number + "\\s.*") || text.length() > 90) continue;
            int from = ends ? text.length() - number.length() : 0;
            take(own.get(0), page);
            frames.put(page.index(), new ArrayList<>(List.of(new FrameLine(own.get(0).lines().get(0),
                    List.of(new FrameLine.Part(from, from + number.length(), Field.Kind.PAGE)), null))));
        }
    }

    /** Whether a row stands nearer to the edge than anything that is left of other pages. */
    private static boolean isOutside(EdgeRow row, Map<Integer, List<EdgeRow>> left, boolean top) {
        return left.values().stream().filter(rows -> !rows.isEmpty() && rows.get(0).page() != row.page()).allMatch(rows ->
                (top ? rows.get(0).baseline() - row.baseline() : row.baseline() - rows.get(0).baseline()) > 1.5 * row.size());
    }

    /** Whether the first line of a later page stands higher than anything of the others, as a head does that the first page has not, and apart. */
    private boolean isInMargin(List<EdgeRow> own, Map<Integer, List<EdgeRow>> rows, PageMatter page) {
        if (own.isEmpty() || own.get(0).grid() != null || isHeading(own, 0)) return false;
        EdgeRow row = own.get(0);
        double next = own.size() > 1 ? own.get(1).baseline() : page.height();
        if (row.baseline() > MARGIN * page.height() || next - row.baseline() < 2 * row.size() || !isApart(own, 1, true)) return false;
        return rows.entrySet().stream().filter(other -> other.getKey() != page.index() && !other.getValue().isEmpty())
                .allMatch(other -> other.getValue().get(0).baseline() > row.baseline() + 1.5 * row.size());
    }

    /** Whether a row stands where a head of another page does: a chapter's number may happen to be that of its page. */
    private static boolean standsAt(List<FramePart> lines, EdgeRow row) {
        return lines.stream().anyMatch(line -> Math.abs(line.baseline() - row.baseline()) < 2 * row.size());
    }

    /** On a single page: a page number, or a line in the margin that stands well apart from everything. */
    private boolean isLoneHead(List<EdgeRow> own, PageMatter page, boolean top) {
        EdgeRow row = own.get(0);
        if (!isApart(own, 1, top)) return false;
        if (LONE_NUMBER.matcher(row.text().trim()).matches()) return true;
        double edge = top ? row.baseline() : page.height() - row.baseline();
        double next = own.size() > 1 ? Math.abs(own.get(1).baseline() - row.baseline()) : page.height();
        boolean smaller = own.size() > 1 && row.size() < 0.9 * own.get(1).size();
        return edge < 0.07 * page.height() && next > 2.6 * row.size() && row.size() < 12.5 || smaller && edge < 0.09 * page.height() && next > 2.2 * row.size();
    }

    /** Chapters that begin on every page are no heads: their letters are larger than those of the text. */
    private static boolean isHeading(List<EdgeRow> own, int at) {
        return own.get(at).grid() == null && own.size() > at + 1 && own.get(at).size() > 1.25 * own.get(own.size() - 1).size();
    }

    private static String slot(EdgeRow row) { return String.valueOf(Math.round(row.baseline() / 4)); }

    /** The rows at an edge, outermost first, and one more to see how far the body is. */
    private List<EdgeRow> rows(PageMatter page, boolean top) {
        List<Box> sorted = new ArrayList<>(page.chunks());
        // What tags tell of as a table is one of the text.
        for (TableGrid table : page.tables()) if (table.tag() == null) sorted.add(table);
        sorted.sort(top ? Comparator.comparingDouble(RunningHeads::line) : Comparator.comparingDouble(RunningHeads::line).reversed());
        List<EdgeRow> rows = new ArrayList<>();
        for (Box box : sorted) {
            double reach = box instanceof Chunk chunk ? chunk.baseline() : top ? box.bottom() : box.top();
            double zone = box instanceof Chunk ? ZONE : TABLE_ZONE;
            boolean inZone = top ? reach < zone * page.height() : reach > (1 - zone) * page.height();
            EdgeRow last = rows.isEmpty() ? null : rows.get(rows.size() - 1);
            if (box instanceof Chunk chunk && last != null && last.grid() == null && Math.abs(last.baseline() - chunk.baseline()) < 0.35 * chunk.size()) {
                last.chunks().add(chunk);
                continue;
            }
            if (!inZone || rows.size() > MOST_ROWS) break;
            rows.add(box instanceof Chunk chunk ? new EdgeRow(page.index(), chunk) : new EdgeRow((TableGrid) box));
        }
        return rows;
    }

    private static double line(Box box) { return box instanceof Chunk chunk ? chunk.baseline() : box.top(); }

    private boolean comesAgain(EdgeRow row, Map<Integer, List<EdgeRow>> rows, Map<String, List<EdgeRow>> alike) {
        Set<Integer> again = new HashSet<>();
        int enough = Math.max(1, (Math.min(pages.size(), 40) + 7) / 8 - 1);
        for (EdgeRow other : alike.get(row.kind())) {
            if (!row.isAgain(other) || rows.get(other.page()).indexOf(other) >= MOST_ROWS) continue;
            again.add(other.page());
            if (again.size() >= enough) return true;
        }
        return false;
    }

    /** Whether most pages have a row in the very same place, so that it is a head even where text comes close to it. */
    private boolean isUsual(EdgeRow row, Map<String, List<EdgeRow>> alike) {
        long pagesWith = alike.get(row.kind()).stream().filter(other -> row.isAgain(other) && Math.abs(other.baseline() - row.baseline()) < SAME)
                .map(EdgeRow::page).distinct().count();
        return pages.size() >= FEW && (pagesWith + 1) * 5 >= pages.size() * 3;
    }

    /** Whether a number in the row goes up with the pages. */
    private boolean countsPages(EdgeRow row, Map<String, List<EdgeRow>> alike) {
        return fields(row, alike).stream().anyMatch(part -> part.kind() == Field.Kind.PAGE);
    }

    /** Whether the innermost of the outer {@code count} rows stands apart from the body. */
    private boolean isApart(List<EdgeRow> own, int count, boolean top) {
        EdgeRow row = own.get(count - 1);
        PageMatter page = pages.get(row.page());
        double edge = top ? row.bottom() : row.top();
        double nearest = Double.MAX_VALUE;
        for (Box box : page.boxes()) {
            if (own.subList(0, count).stream().anyMatch(one -> one.holds(box))) continue;
            double gap = top ? box.top() - edge : edge - box.bottom();
            if (gap > -1) nearest = Math.min(nearest, gap);
        }
        return nearest > 0.72 * row.size();
    }

    /** Whether the next rows follow as close as they follow each other: the head of a table that goes on over pages. */
    private static boolean isInStep(List<EdgeRow> own, int count) {
        if (own.size() < count + 2 || own.get(count - 1).grid() != null || own.get(count).grid() != null || own.get(count + 1).grid() != null) return false;
        double first = Math.abs(own.get(count).baseline() - own.get(count - 1).baseline());
        double second = Math.abs(own.get(count + 1).baseline() - own.get(count).baseline());
        return first < 1.1 * second && own.get(count).chunks().size() > 1 && own.get(count).chunks().size() == own.get(count + 1).chunks().size();
    }

    /** The numbers in a row that count pages: they differ from the page's index by the same amount on every page that has the row. */
    private List<FrameLine.Part> fields(EdgeRow row, Map<String, List<EdgeRow>> alike) {
        String text = row.text();
        List<FrameLine.Part> fields = new ArrayList<>();
        if (EdgeRow.ROMAN.matcher(text.trim()).matches() && !text.trim().matches("\\d+")) {
            int from = text.indexOf(text.trim());
            fields.add(new FrameLine.Part(from, from + text.trim().length(), Field.Kind.PAGE));
            return fields;
        }
        Matcher matcher = EdgeRow.NUMBER.matcher(text);
        int place = 0;
        while (matcher.find()) {
            int value = EdgeRow.value(matcher.group());
            if (value == pages.size() && pages.size() > 1 && text.substring(0, matcher.start()).matches("(?iu).*\\d.*(/|\\b(of|von|de|sur|av|van|di))\\s*$"))
                fields.add(new FrameLine.Part(matcher.start(), matcher.end(), Field.Kind.PAGES));
            else if (goesUp(row, alike, place, value)) fields.add(new FrameLine.Part(matcher.start(), matcher.end(), Field.Kind.PAGE));
            place++;
        }
        return fields;
    }

    private boolean goesUp(EdgeRow row, Map<String, List<EdgeRow>> alike, int place, int value) {
        int same = 0;
        int other = 0;
        for (EdgeRow one : alike.get(row.kind())) {
            if (one.page() == row.page() || Math.abs(one.baseline() - row.baseline()) > 3 || one.numbers().size() <= place) continue;
            if (one.numbers().get(place) - one.page() == value - row.page()) same++;
            else other++;
        }
        boolean alone = pages.size() == 1 && LONE_NUMBER.matcher(row.text().trim()).matches() && place == 0;
        boolean counts = alone || same > 0 && same >= other;
        if (counts && offset == null) offset = value - row.page();
        return counts;
    }

    /** Lines drawn between heads and body go with the heads. */
    private void takeRules() {
        for (PageMatter page : pages) {
            takeRules(page, headers.get(page.index()), true);
            takeRules(page, footers.get(page.index()), false);
        }
    }

    private static void takeRules(PageMatter page, List<FramePart> parts, boolean top) {
        if (parts == null) return;
        int inner = top ? parts.size() - 1 : 0;
        if (!(parts.get(inner) instanceof FrameLine line)) return;
        for (Ink one : List.copyOf(page.ink())) {
            if (!(one instanceof Ink.Stroke stroke) || !stroke.isAcross() || stroke.length() < 0.3 * page.width()) continue;
            double away = top ? stroke.y1() - line.line().baseline() : line.line().baseline() - stroke.y1();
            if (away < 0 || away > 3 * line.line().size()) continue;
            parts.set(inner, line.with(stroke));
            page.ink().remove(one);
            return;
        }
    }
}
