package app.decant.format.sheet;

import app.decant.document.Section.PageGeometry;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What a sheet says of its pages (ISO/IEC 29500-1, 18.3.1: sheetPr, printOptions, pageMargins, pageSetup, headerFooter, breaks). */
final class XlsxPages {
    /** Sizes by their numbers, in points (18.3.1.63; ISO 216, ISO 269, ANSI/ASME Y14.1). */
    private static final Map<Integer, double[]> PAPERS = Map.ofEntries(Map.entry(1, new double[] {612, 792}), Map.entry(3, new double[] {792, 1224}),
            Map.entry(5, new double[] {612, 1008}), Map.entry(6, new double[] {396, 612}), Map.entry(7, new double[] {522, 756}),
            Map.entry(8, new double[] {841.9, 1190.6}), Map.entry(9, new double[] {595.3, 841.9}), Map.entry(11, new double[] {419.5, 595.3}),
            Map.entry(12, new double[] {728.5, 1031.8}), Map.entry(13, new double[] {515.9, 728.5}), Map.entry(27, new double[] {311.8, 623.6}),
            Map.entry(28, new double[] {459.2, 649.1}), Map.entry(66, new double[] {1190.6, 1683.8}), Map.entry(70, new double[] {297.6, 419.5}));
    private static final double INCH = 72;

    private double[] paper = PAPERS.get(9);
    private boolean landscape;
    private double[] margins = {0.7, 0.7, 0.75, 0.75, 0.3, 0.3};
    private double scale = 1;
    private int wide = 1;
    private int tall = 1;
    private boolean fitted;
    private boolean across;
    private boolean middle;
    private boolean centre;
    private boolean grid;
    private boolean headings;
    private String header;
    private String footer;
    private final List<Integer> rowBreaks = new ArrayList<>();
    private final List<Integer> columnBreaks = new ArrayList<>();

    void told(XmlNode node) {
        switch (node.name()) {
            case "x:sheetPr" -> {
                XmlNode pages = node.child("x:pageSetUpPr");
                fitted = pages != null && XlsxReader.isTrue(pages.get("fitToPage"));
            }
            case "x:printOptions" -> {
                middle = XlsxReader.isTrue(node.get("horizontalCentered"));
                centre = XlsxReader.isTrue(node.get("verticalCentered"));
                grid = XlsxReader.isTrue(node.get("gridLines"));
                headings = XlsxReader.isTrue(node.get("headings"));
            }
            case "x:pageMargins" -> {
                String[] sides = {"left", "right", "top", "bottom", "header", "footer"};
                for (int i = 0; i < sides.length; i++) margins[i] = Math.max(0, Math.min(20, XlsxReader.number(node.get(sides[i]), margins[i])));
            }
            case "x:pageSetup" -> {
                paper = paper(XlsxReader.whole(node.get("paperSize"), 1));
                landscape = "landscape".equals(node.get("orientation"));
                scale = XlsxReader.number(node.get("scale"), 100) / 100;
                wide = Math.max(0, XlsxReader.whole(node.get("fitToWidth"), 1));
                tall = Math.max(0, XlsxReader.whole(node.get("fitToHeight"), 1));
                across = "overThenDown".equals(node.get("pageOrder"));
            }
            case "x:headerFooter" -> {
                header = text(node, "x:oddHeader");
                footer = text(node, "x:oddFooter");
            }
            case "x:rowBreaks" -> node.children("x:brk").forEach(one -> rowBreaks.add(XlsxReader.whole(one.get("id"), 0)));
            case "x:colBreaks" -> node.children("x:brk").forEach(one -> columnBreaks.add(XlsxReader.whole(one.get("id"), 0)));
            default -> throw new IllegalStateException(node.name());
        }
    }

    private static String text(XmlNode node, String child) {
        XmlNode found = node.child(child);
        return found == null || found.text().isEmpty() ? null : found.text();
    }

    PageSetup setup(List<Range> areas, String titles) {
        double width = landscape ? paper[1] : paper[0];
        double height = landscape ? paper[0] : paper[1];
        PageGeometry page = geometry(width, height, margins);
        Range rows = null;
        Range columns = null;
        for (Range range : titles == null ? List.<Range>of() : ranges(titles)) {
            if (range.left() == 0 && range.right() == Range.MOST_COLUMNS - 1) rows = range;
            else if (range.top() == 0 && range.bottom() == Range.MOST_ROWS - 1) columns = range;
        }
        return new PageSetup(page, scale, wide, tall, fitted, across, middle, centre, grid, headings, areas, rows, columns, rowBreaks, columnBreaks, header,
                footer);
    }

    /** The size of a number, upright, in points; A4 for numbers that printers give meaning to. */
    static double[] paper(int number) { return PAPERS.getOrDefault(number, PAPERS.get(9)); }

    /** The number of a size of paper, whichever way round; 0 for one that has none. */
    static int number(PageGeometry page) {
        double narrow = Math.min(page.width(), page.height());
        double wide = Math.max(page.width(), page.height());
        for (Map.Entry<Integer, double[]> one : PAPERS.entrySet())
            if (Math.abs(one.getValue()[0] - narrow) < 1.5 && Math.abs(one.getValue()[1] - wide) < 1.5) return one.getKey();
        return 0;
    }

    /** Margins that leave no room are made as small as they have to be. */
    static PageGeometry geometry(double width, double height, double[] inches) {
        double[] points = new double[6];
        for (int i = 0; i < 6; i++) points[i] = inches[i] * INCH;
        if (points[0] + points[1] > width * 0.9) points[0] = points[1] = width * 0.05;
        if (points[2] + points[3] > height * 0.9) points[2] = points[3] = height * 0.05;
        return new PageGeometry(width, height, points[2], points[1], points[3], points[0], points[4], points[5], 0);
    }

    /** The ranges of a formula that names several, the sheets before them passed over; those that are gone are left out. */
    static List<Range> ranges(String told) {
        List<Range> ranges = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        boolean quoted = false;
        for (char c : (told + ",").toCharArray()) {
            if (c == '\'') quoted = !quoted;
            if (c != ',' || quoted) {
                part.append(c);
                continue;
            }
            Range range = Range.of(part.substring(part.lastIndexOf("!") + 1));
            if (range != null) ranges.add(range);
            part.setLength(0);
        }
        return ranges;
    }
}
