package app.decant.recover.made;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.TextLine;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;

/**
 * Makes paragraphs of the document, with everything said outright that the page shows: looks, indents, alignment, line height, and the room above
 * them. What is common to many is moved into styles afterwards, by {@link StyleMaker}.
 */
public final class BlockMaker {
    /** What is closer than this, in points, is made the same. */
    private static final double CLOSE = 0.5;
    /** Lines end at least this much before the edge that broke them. */
    private static final double SPARE = 0.3;

    private final RunMaker runs;
    private final Faces faces;
    private final LineFit fit;
    private final Map<Paragraph, Para> origins = new IdentityHashMap<>();
    private final Map<Long, Double> leadings;
    /** How far the longest of the lines reaches that were broken in columns of one place and width. */
    private final Map<Long, Double> longest = new HashMap<>();
    /** The room above paragraphs as it was given so far, and how often. */
    private final Map<Double, Integer> rooms = new TreeMap<>();

    public BlockMaker(RunMaker runs, Faces faces, List<Para> all) {
        this.runs = runs;
        this.faces = faces;
        this.fit = new LineFit(faces);
        this.leadings = leadings(all);
        for (Para para : all) if (isRagged(para) && para.lines().size() > 1) longest.merge(column(para), para.edgeRight(), Math::max);
        runs.makeNotesBy(this::note);
    }

    /** From which lines each paragraph was made. */
    public Map<Paragraph, Para> origins() { return origins; }
    RunMaker runs() { return runs; }

    private static boolean isRagged(Para para) {
        return para.alignment() == Alignment.START && !para.isInset() && !para.first().isRightToLeft() && para.lines().stream().noneMatch(TextLine::hasTab);
    }

    private static long column(Para para) { return Math.round(para.frameLeft() * 2) * 100_000 + Math.round(para.frameRight() * 2); }

    /** The usual distance of baselines by size of type. */
    private static Map<Long, Double> leadings(List<Para> all) {
        Map<Long, List<Double>> steps = new TreeMap<>();
        for (Para para : all) {
            double leading = ownLeading(para);
            // Each line counts, so that long paragraphs say what is usual.
            List<Double> own = leading > 0 ? steps.computeIfAbsent(Math.round(para.size() * 2), key -> new ArrayList<>()) : List.of();
            for (int i = 1; leading > 0 && i < para.lines().size(); i++) own.add(leading);
        }
        Map<Long, Double> result = new TreeMap<>();
        steps.forEach((size, some) -> {
            Collections.sort(some);
            result.put(size, some.get(some.size() / 2));
        });
        return result;
    }

    /** The distance of a paragraph's own baselines; 0 for a single line. */
    private static double ownLeading(Para para) {
        List<Double> steps = new ArrayList<>();
        for (int i = 1; i < para.lines().size(); i++) {
            TextLine line = para.lines().get(i);
            TextLine before = para.lines().get(i - 1);
            if (line.page() == before.page() && line.baseline() > before.baseline()) steps.add(line.baseline() - before.baseline());
        }
        if (steps.isEmpty()) return 0;
        Collections.sort(steps);
        double median = steps.get(steps.size() / 2);
        double mean = steps.stream().mapToDouble(Double::doubleValue).average().orElse(median);
        return Math.abs(mean - median) < 1 ? mean : median;
    }

    /** How far a paragraph's lines reach above their baseline and below it, as they will be laid out. */
    double[] reach(Para para) {
        Look main = runs.look(para.typical(), para.first());
        double[] heights = faces.heights(main);
        double natural = heights[0] + heights[1] + heights[2];
        double leading = ownLeading(para);
        if (leading == 0) leading = leadings.getOrDefault(Math.round(para.size() * 2), natural);
        double above = ascent(true, leading, heights, natural);
        return new double[] {above, leading - above, ruled(above(para, above))};
    }

    /** A paragraph that stands where the flow has come to; the flow goes on below it. */
    Paragraph paragraph(Para para, Flow flow) {
        List<RunMaker.LineRuns> lines = runs.lines(para);
        Look look = Look.PLAIN;
        Look main = mainLook(lines, para);
        double[] heights = faces.heights(main);
        double natural = heights[0] + heights[1] + heights[2];
        double leading = ownLeading(para);
        boolean single = leading == 0;
        double drawn = leading;
        int steps = para.lines().size() - 1;
        leading = usual(leading, para, steps);
        if (single) leading = leadings.getOrDefault(Math.round(para.size() * 2), natural);
        boolean uniform = lines.stream().flatMap(line -> line.inlines.stream()).allMatch(inline -> inline.look().get(TextProperty.SIZE, 0.0)
                .equals(main.get(TextProperty.SIZE)) && Objects.equals(inline.look().get(TextProperty.FAMILY), main.get(TextProperty.FAMILY)))
                && lines.stream().allMatch(line -> faces.covers(line.text(), main));
        double above = ascent(uniform, leading, heights, natural);
        double before = para.first().baseline() - above - flow.y - ruled(above(para, above));
        if (before < 0 && single) {
            leading = Math.max(0.9 * para.size(), leading + before);
            above = ascent(uniform, leading, heights, natural);
            before = para.first().baseline() - above - flow.y - ruled(above(para, above));
        }
        double late = before < 0 ? -before : 0;
        double room = room(Math.max(0, before));
        // What is given more or less than was drawn is taken back below, so that it never adds up.
        double drift = room - Math.max(0, before) + (single ? 0 : steps * (leading - drawn));
        look = look.with(ParagraphProperty.SPACE_BEFORE, room);
        look = look.with(ParagraphProperty.LINE_SPACING, uniform ? new LineSpacing(LineSpacing.Rule.MULTIPLE, Math.round(leading / natural * 1000) / 1000.0)
                : new LineSpacing(LineSpacing.Rule.EXACTLY, rounded(leading)));
        boolean moved = para.last().page() != para.first().page() || para.last().baseline() < para.first().baseline();
        Border over = above(para, above);
        Border under = border(para.ruleBelow(), para.ruleBelow() == null ? 0 : para.ruleBelow().y1() - para.last().baseline() - leading + above);
        flow.y = para.last().baseline() + leading - above + ruled(under) + (moved ? 0 : late + drift);
        look = placed(look, para, flow, lines);
        look = dressed(look, para, over, under);
        List<Inline> inlines = new ArrayList<>();
        for (RunMaker.LineRuns line : lines) {
            inlines.addAll(line.inlines);
            if (!line.joint.isEmpty() && !line.inlines.isEmpty())
                inlines.add(new Inline.Text(line.joint, jointLook(line.inlines.get(line.inlines.size() - 1).look())));
        }
        Paragraph made = new Paragraph(style(para), look, main.without(TextProperty.LINK).without(TextProperty.UNDERLINE).without(TextProperty.HIGHLIGHT),
                List.of()).withInlines(inlines).wellFormed();
        origins.put(made, para);
        return made;
    }

    /** The distance of baselines that text of its size usually has, where that is nearly its own. */
    private double usual(double leading, Para para, int steps) {
        Double usual = leadings.get(Math.round(para.size() * 2));
        return usual != null && Math.abs(usual - leading) * steps < CLOSE ? usual : leading;
    }

    /** The room above a paragraph: as much as others have that have nearly as much. */
    private double room(double before) {
        double own = rounded(before);
        double nearest = rooms.entrySet().stream().filter(one -> Math.abs(one.getKey() - before) < CLOSE)
                .max(Map.Entry.comparingByValue()).map(Map.Entry::getKey).orElse(own);
        rooms.merge(nearest, 1, Integer::sum);
        return nearest;
    }

    private static Look jointLook(Look look) { return look.without(TextProperty.SCRIPT); }

    private static double ascent(boolean uniform, double leading, double[] heights, double natural) {
        // As the layout sets lines: multiples take room away above, exact heights stand four fifths above the baseline.
        return uniform ? heights[0] + Math.min(0, leading - natural) : leading * 0.8;
    }

    private Look mainLook(List<RunMaker.LineRuns> lines, Para para) {
        Map<Look, Integer> counts = new LinkedHashMap<>();
        for (RunMaker.LineRuns line : lines)
            for (Inline inline : line.inlines)
                if (inline instanceof Inline.Text run && !run.look().says(TextProperty.SCRIPT)) counts.merge(run.look(), run.text().length(), Integer::sum);
        if (counts.isEmpty()) return runs.look(para.typical(), para.first());
        return counts.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow().getKey();
    }

    /** Alignment, indents and tab stops; lines fitted to the width they leave. */
    private Look placed(Look plain, Para para, Flow flow, List<RunMaker.LineRuns> lines) {
        Look look = plain;
        TextLine first = para.first();
        boolean rightToLeft = first.isRightToLeft();
        if (rightToLeft) look = look.with(ParagraphProperty.RIGHT_TO_LEFT, true);
        look = look.with(ParagraphProperty.ALIGNMENT, para.alignment());
        double firstEdge = rightToLeft ? flow.right - first.edgeRight() : first.edgeLeft() - flow.left;
        double bodyEdge = firstEdge;
        if (para.lines().size() > 1) {
            bodyEdge = Double.MAX_VALUE;
            for (TextLine line : para.lines().subList(1, para.lines().size()))
                if (line.page() == first.page()) bodyEdge = Math.min(bodyEdge, rightToLeft ? flow.right - line.edgeRight() : line.edgeLeft() - flow.left);
            if (bodyEdge == Double.MAX_VALUE) bodyEdge = firstEdge;
        }
        if (para.alignment() == Alignment.CENTRE) {
            fit.fit(lines, flow.width(), flow.width(), true);
            return look;
        }
        if (para.alignment() == Alignment.END && !rightToLeft) {
            look = indent(look, 0, 0, flow.right - para.right());
            fit.fit(lines, flow.width(), flow.width(), true);
            return look;
        }
        if (para.item() != null) {
            double text = textLeft(para) - flow.left;
            if (rightToLeft) text = flow.right - textRight(para);
            if (para.lines().size() == 1 || Math.abs(bodyEdge - text) < 3) bodyEdge = text;
            look = look.with(ParagraphProperty.LIST, new ListReference("list" + (para.item().list() + 1), para.item().level()));
            if (Math.abs(bodyEdge - text) > 1)
                look = look.with(ParagraphProperty.TABS, new TabStops(List.of(new TabStop(rounded(text), TabStop.Kind.START, TabStop.Leader.NONE))));
            double narrower = fit.fit(lines, flow.width() - text, flow.width() - bodyEdge, para.alignment() == Alignment.JUSTIFY);
            return indent(look, bodyEdge, firstEdge - bodyEdge, end(para, flow, rightToLeft) + narrower);
        }
        if (para.lines().stream().anyMatch(TextLine::hasTab)) {
            double hang = para.lines().size() == 1 && first.chunks().size() == 2 ? firstEdge : bodyEdge;
            TabStops stops = stops(para, flow, hang);
            if (!stops.stops().isEmpty()) look = look.with(ParagraphProperty.TABS, stops);
            return indent(look, hang, firstEdge - hang, 0);
        }
        if (para.isInset()) return indent(look, bodyEdge, firstEdge - bodyEdge, 0);
        double end = end(para, flow, rightToLeft);
        double shared = longest.containsKey(column(para)) && end == 0 ? longest.get(column(para)) + SPARE - flow.left - bodyEdge : 0;
        double narrower = fit.fit(lines, flow.width() - firstEdge - end, flow.width() - bodyEdge - end, para.alignment() == Alignment.JUSTIFY, shared);
        return indent(look, bodyEdge, firstEdge - bodyEdge, end + narrower);
    }

    /** How far before the column's edge a justified paragraph ends. */
    private static double end(Para para, Flow flow, boolean rightToLeft) {
        // Text beside something narrower than its column ends where that begins.
        if (para.alignment() != Alignment.JUSTIFY)
            return !rightToLeft && flow.right - para.frameRight() > 20 && para.lines().size() > 1 ? flow.right - para.frameRight() : 0;
        double end = rightToLeft ? para.left() - flow.left : flow.right - para.edgeRight();
        return Math.abs(end) < 0.8 ? 0 : end;
    }

    private static double textLeft(Para para) {
        int at = 0;
        for (Glyph glyph : para.first().glyphs()) {
            if (at >= para.item().labelLength() && !glyph.text().isBlank()) return glyph.x();
            at += glyph.text().length();
        }
        return para.first().left();
    }

    private static double textRight(Para para) {
        int at = 0;
        for (Glyph glyph : para.first().glyphs()) {
            if (at >= para.item().labelLength() && !glyph.text().isBlank()) return glyph.right();
            at += glyph.text().length();
        }
        return para.first().right();
    }

    private static Look indent(Look look, double start, double firstLine, double end) {
        Look result = look;
        if (Math.abs(start) > 0.6 || result.says(ParagraphProperty.LIST)) result = result.with(ParagraphProperty.INDENT_START, rounded(start));
        if (Math.abs(firstLine) > 0.6 || result.says(ParagraphProperty.LIST)) result = result.with(ParagraphProperty.FIRST_LINE, rounded(firstLine));
        if (Math.abs(end) > 0.02) result = result.with(ParagraphProperty.INDENT_END, Math.round(end * 100) / 100.0);
        return result;
    }

    private static TabStops stops(Para para, Flow flow, double hang) {
        List<TabStop> stops = new ArrayList<>();
        for (TextLine line : para.lines()) {
            List<Chunk> chunks = line.chunks();
            for (Chunk blank : chunks) if (blank.isBlank()) {
                if (line.isTabbed(blank)) stops.add(new TabStop(rounded(blank.left() - flow.left), TabStop.Kind.START, TabStop.Leader.NONE));
                stops.add(new TabStop(rounded(blank.right() - flow.left), TabStop.Kind.START, TabStop.Leader.LINE));
            }
            for (int i = 1; i < chunks.size(); i++) {
                Chunk chunk = chunks.get(i);
                if (chunk.isBlank() || !line.isTabbed(chunk) && chunks.stream().anyMatch(Chunk::isBlank)) continue;
                boolean end = i == chunks.size() - 1 && Math.abs(chunk.right() - flow.right) < 2.5 && chunk.left() > flow.left + 0.3 * flow.width();
                boolean centre = !end && Math.abs(chunk.middleX() - (flow.left + flow.right) / 2) < 2 && chunks.size() <= 3 && i == 1;
                double at = end ? flow.width() : centre ? flow.width() / 2 : chunk.left() - flow.left;
                boolean implied = line == para.first() && !end && !centre && Math.abs(at - hang) < 1 && i == 1;
                boolean known = stops.stream().anyMatch(stop -> Math.abs(stop.position() - at) < 1.5);
                if (!implied && !known && at > 0)
                    stops.add(new TabStop(rounded(at), end ? TabStop.Kind.END : centre ? TabStop.Kind.CENTRE : TabStop.Kind.START, TabStop.Leader.NONE));
            }
        }
        return new TabStops(stops);
    }

    /** Shading and rules round the paragraph. */
    private static Look dressed(Look plain, Para para, Border over, Border under) {
        Look look = plain;
        if (para.shading() != null) look = look.with(ParagraphProperty.SHADING, new Colour(para.shading()));
        if (para.ruleAbove() != null || para.ruleBelow() != null || para.bar() != null) {
            look = look.with(ParagraphProperty.BORDERS, new Borders(over, null, under, bar(para), null, null));
        }
        return look;
    }

    private static Border bar(Para para) {
        if (para.bar() == null) return null;
        return new Border(Border.Line.SINGLE, rounded(Math.max(0.25, para.bar().width())), new Colour(para.bar().rgb()),
                rounded(Math.min(31, Math.max(0, para.left() - para.bar().x1()))));
    }

    /** The rule over a paragraph, whose first line reaches so far above its baseline. */
    private static Border above(Para para, double reach) {
        return border(para.ruleAbove(), para.ruleAbove() == null ? 0 : para.first().baseline() - reach - para.ruleAbove().y1());
    }

    private static Border border(Ink.Stroke rule, double away) {
        if (rule == null) return null;
        return new Border(rule.dashed() ? Border.Line.DASHED : Border.Line.SINGLE, rounded(Math.max(0.25, rule.width())), new Colour(rule.rgb()),
                rounded(Math.min(31, Math.max(0, away))));
    }

    /** How much room a rule takes beside the lines. */
    private static double ruled(Border border) { return border == null ? 0 : border.width() + border.space(); }

    static String style(Para para) {
        if (para.isTitle()) return "Title";
        if (para.headingLevel() > 0) return StandardStyle.ofHeading(para.headingLevel()).id();
        return para.item() != null ? "ListParagraph" : "Normal";
    }

    /** The blocks of a footnote: its paragraphs, the first begun by its mark. */
    private List<Block> note(Para.Footnote note) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < note.paragraphs().size(); i++) {
            Para para = note.paragraphs().get(i);
            Flow flow = new Flow(para.frameLeft(), para.frameRight(), para.first().top());
            int skip = i == 0 ? skipMark(para.first(), note.mark()) : 0;
            List<RunMaker.LineRuns> lines = runs.lines(para, skip);
            List<Inline> inlines = new ArrayList<>();
            Look main = mainLook(lines, para);
            if (i == 0) {
                inlines.add(new Inline.Field(Inline.Field.Kind.NOTE_MARK, "NOTEMARK", note.mark(), main.with(TextProperty.SCRIPT, TextProperty.Script.SUPER)));
                inlines.add(new Inline.Text(" ", main));
            }
            for (RunMaker.LineRuns line : lines) {
                inlines.addAll(line.inlines);
                if (!line.joint.isEmpty()) inlines.add(new Inline.Text(line.joint, main));
            }
            double leading = ownLeading(para);
            double[] heights = faces.heights(main);
            Look look = leading > 0 ? Look.of(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE,
                    Math.round(leading / (heights[0] + heights[1] + heights[2]) * 1000) / 1000.0)) : Look.PLAIN;
            if (para.alignment() != Alignment.START) look = look.with(ParagraphProperty.ALIGNMENT, para.alignment());
            Paragraph made = new Paragraph("FootnoteText", look, main, List.of()).withInlines(inlines);
            origins.put(made, para);
            blocks.add(made);
            flow.y = para.last().bottom();
        }
        return blocks;
    }

    private static int skipMark(TextLine line, String mark) {
        String text = line.text();
        int at = text.indexOf(mark) + mark.length();
        while (at < text.length() && ").".indexOf(text.charAt(at)) >= 0) at++;
        while (at < text.length() && Character.isWhitespace(text.charAt(at))) at++;
        return at;
    }

    /** To twentieths of a point, as office formats keep distances. */
    public static double rounded(double value) { return Math.round(value * 20) / 20.0; }
}
