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
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.pdf.read.Glyph;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.FrameLine;
import java.util.ArrayList;
import java.util.List;

/** Makes the paragraphs of headers and footers, their page numbers live. */
public final class FrameBlocks {
    private final RunMaker runs;

    FrameBlocks(RunMaker runs) { this.runs = runs; }

    List<Block> blocks(List<FrameLine> lines, double left, double right, boolean header) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            FrameLine line = lines.get(i);
            double next = i + 1 < lines.size() ? lines.get(i + 1).line().baseline() : 0;
            blocks.add(paragraph(line, left, right, header, next));
        }
        return blocks;
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
                inlines.add(new Inline.Field(field.kind(), field.kind() == Inline.Field.Kind.PAGE ? "PAGE" : "NUMPAGES", line.text()
                        .substring(field.from(), field.to()), last));
        }
        return new Paragraph(header ? "Header" : "Footer", look, last, List.of()).withInlines(inlines).wellFormed();
    }
}
