package app.decant.recover.made;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextProperty;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.FrameLine;
import app.decant.recover.region.FramePart;
import app.decant.recover.region.FrameTable;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Makes the paragraphs and tables of headers and footers, their page numbers live. */
public final class FrameBlocks {
    private static final Pattern NUMBER = Pattern.compile("\\d+");

    /** A line of letters of one point. */
    private static final double TAIL = 1.15;

    private final RunMaker runs;
    private final TableMaker tables;

    FrameBlocks(RunMaker runs, TableMaker tables) {
        this.runs = runs;
        this.tables = tables;
    }

    /** @param pictures that hang on it, behind all text */
    List<Block> blocks(List<FramePart> parts, List<Placed> pictures, double left, double right, boolean header) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            FramePart next = i + 1 < parts.size() ? parts.get(i + 1) : null;
            if (parts.get(i) instanceof FrameTable table) {
                blocks.add(counted(tables.table(table.grid(), new Flow(left, right, table.top())), table));
                continue;
            }
            FrameLine line = (FrameLine) parts.get(i);
            Paragraph made = paragraph(line, left, right, header, next instanceof FrameLine below ? below.baseline() : 0);
            if (i > 0 && parts.get(i - 1) instanceof FrameTable above) made = spaced(made, ParagraphProperty.SPACE_BEFORE, line.top() - above.bottom());
            if (next instanceof FrameTable below) made = spaced(made, ParagraphProperty.SPACE_AFTER, below.top() - line.bottom());
            blocks.add(made);
        }
        if (tail(parts, pictures) > 0) {
            List<Inline> hung = pictures.stream().map(one -> (Inline) ElementMaker.floating(one, Anchor.Wrap.NONE, Insets.NONE, true)).toList();
            blocks.add(new Paragraph(header ? "Header" : "Footer", Look.PLAIN, Look.of(TextProperty.SIZE, 1.0), hung));
        }
        return blocks;
    }

    /** How high the blank line is, in points, with which text formats end a header after a table, and on which pictures hang; 0 where there is none. */
    static double tail(List<FramePart> parts, List<Placed> pictures) {
        boolean open = !parts.isEmpty() && parts.get(parts.size() - 1) instanceof FrameTable;
        return open || !pictures.isEmpty() ? TAIL : 0;
    }

    private static Paragraph spaced(Paragraph paragraph, Property<Double> side, double room) {
        return room < 0.5 ? paragraph : paragraph.withLook(paragraph.look().with(side, BlockMaker.rounded(room)));
    }

    /** A table whose page numbers are live: of the numbers that its cells say, in their order, those that count pages are fields. */
    private static Table counted(Table table, FrameTable frame) {
        List<FrameLine.Part> numbers = new ArrayList<>();
        for (FrameLine line : frame.lines()) {
            for (Matcher matcher = NUMBER.matcher(line.line().text()); matcher.find(); ) {
                int from = matcher.start();
                numbers.add(line.fields().stream().filter(part -> part.from() == from).findFirst().orElse(null));
            }
        }
        Iterator<FrameLine.Part> next = numbers.iterator();
        return (Table) StyleMaker.map(List.of(table), paragraph -> counted(paragraph, next)).get(0);
    }

    private static Paragraph counted(Paragraph paragraph, Iterator<FrameLine.Part> numbers) {
        String text = paragraph.text();
        List<Inline> inlines = new ArrayList<>();
        int from = 0;
        for (Matcher matcher = NUMBER.matcher(text); matcher.find() && numbers.hasNext(); ) {
            FrameLine.Part part = numbers.next();
            if (part == null) continue;
            inlines.addAll(paragraph.slice(from, matcher.start()));
            inlines.add(field(part.kind(), matcher.group(), paragraph.lookBefore(matcher.end())));
            from = matcher.end();
        }
        if (from == 0) return paragraph;
        inlines.addAll(paragraph.slice(from, paragraph.length()));
        return paragraph.withInlines(inlines);
    }

    private static Inline.Field field(Inline.Field.Kind kind, String shown, Look look) {
        return new Inline.Field(kind, kind == Inline.Field.Kind.PAGE ? "PAGE" : "NUMPAGES", shown, look);
    }

    private static Look indented(Look look, Property<Double> side, double amount) {
        return Math.abs(amount) > 0.6 ? look.with(side, BlockMaker.rounded(amount)) : look;
    }

    private Paragraph paragraph(FrameLine frame, double left, double right, boolean header, double nextBaseline) {
        TextLine line = frame.line();
        double width = right - left;
        Look look = Look.PLAIN;
        List<Chunk> chunks = line.chunks();
        double middle = (left + right) / 2;
        List<Inline> inlines = new ArrayList<>();
        boolean centred = chunks.size() == 1 && Math.abs(line.middleX() - middle) < 3 && line.left() > left + line.size();
        boolean ends = chunks.size() == 1 && line.right() > right - 3 && line.left() > left + 0.25 * width;
        boolean ruled = frame.rule() != null;
        if (ruled) {
            // A rule reaches as far as its paragraph.
            look = indented(look, ParagraphProperty.INDENT_START, frame.rule().x1() - left);
            look = indented(look, ParagraphProperty.INDENT_END, right - frame.rule().x2());
        }
        if (centred) {
            look = look.with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE);
        } else if (ends) {
            look = look.with(ParagraphProperty.ALIGNMENT, Alignment.END);
            if (!ruled && line.right() > right + 0.6) look = look.with(ParagraphProperty.INDENT_END, BlockMaker.rounded(right - line.right()));
        } else {
            List<TabStop> stops = new ArrayList<>();
            for (int i = 0; i < chunks.size(); i++) {
                Chunk chunk = chunks.get(i);
                boolean first = i == 0;
                if (first && chunk.left() < left + 3 || first && chunks.size() == 1 && !ruled) continue;
                boolean atEnd = i == chunks.size() - 1 && chunk.right() > right - 3;
                boolean atMiddle = Math.abs(chunk.middleX() - middle) < 3;
                stops.add(new TabStop(BlockMaker.rounded(atEnd ? Math.max(width, chunk.right() - left) : atMiddle ? width / 2 : chunk.left() - left),
                        atEnd ? TabStop.Kind.END : atMiddle ? TabStop.Kind.CENTRE : TabStop.Kind.START, TabStop.Leader.NONE));
                if (first) inlines.add(new Inline.Text("\t", Look.PLAIN));
            }
            if (!stops.isEmpty()) look = look.with(ParagraphProperty.TABS, new TabStops(stops));
            // Heads often reach further out than the text of the page.
            if (!ruled && chunks.size() > 1 && line.right() > right + 0.6)
                look = look.with(ParagraphProperty.INDENT_END, BlockMaker.rounded(right - line.right()));
            if (!ruled && (chunks.size() == 1 || line.left() < left) && Math.abs(line.left() - left) > 0.6)
                look = look.with(ParagraphProperty.INDENT_START, BlockMaker.rounded(line.left() - left));
        }
        look = look.with(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE);
        if (nextBaseline > 0) look = look.with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.EXACTLY,
                BlockMaker.rounded(nextBaseline - line.baseline())));
        if (frame.rule() != null) {
            double space = BlockMaker.rounded(Math.min(31, Math.max(0, header ? frame.rule().y1() - line.bottom() : line.top() - frame.rule().y1())));
            Border border = new Border(Border.Line.SINGLE, Math.max(0.25, BlockMaker.rounded(frame.rule().width())), new Colour(frame.rule().rgb()), space);
            look = look.with(ParagraphProperty.BORDERS, header ? new Borders(null, null, border, null, null, null) : new Borders(border, null, null, null,
                    null, null));
        }
        Look last = Look.PLAIN;
        int at = 0;
        for (Glyph glyph : line.glyphs()) {
            int from = at;
            at += glyph.text().length();
            FrameLine.Part field = frame.fields().stream().filter(part -> from >= part.from() && from < part.to()).findFirst().orElse(null);
            if (!glyph.text().isBlank()) last = runs.look(glyph, line);
            if (field == null) inlines.add(new Inline.Text(glyph.text(), last));
            else if (from == field.from())
                inlines.add(field(field.kind(), line.text().substring(field.from(), field.to()), last));
        }
        return new Paragraph(header ? "Header" : "Footer", look, last, List.of()).withInlines(inlines).wellFormed();
    }
}
