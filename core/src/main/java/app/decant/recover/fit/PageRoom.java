package app.decant.recover.fit;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.recover.made.BlockMaker;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BinaryOperator;

/** Makes the blocks of one page a little shorter: the room between paragraphs first, then the lines, so little that it does not show. */
public final class PageRoom {
    /** Lines are never set closer than this share of what they were. */
    private static final double CLOSEST = 0.93;
    private static final double LEAST_SPACE = 0.35;

    private final Cascade cascade;
    private final BinaryOperator<Paragraph> told;

    /** @param told is told of each paragraph and what it became, and gives the latter back */
    PageRoom(Cascade cascade, BinaryOperator<Paragraph> told) {
        this.cascade = cascade;
        this.told = told;
    }

    /**
     * Makes blocks shorter.
     *
     * @param need how much is to be won, in points
     * @return the blocks, those that could give room changed
     */
    List<Block> shorter(List<? extends Block> blocks, double need) {
        double spaces = 0;
        double heights = 0;
        for (int i = 0; i < blocks.size(); i++) {
            if (i > 0 && blocks.get(i) instanceof Paragraph paragraph) spaces += space(paragraph);
            heights += height(blocks.get(i));
        }
        double fromSpaces = Math.min(need, spaces * (1 - LEAST_SPACE));
        double keep = spaces <= 0 ? 1 : 1 - fromSpaces / spaces;
        double closer = heights <= 0 ? 1 : Math.max(CLOSEST, 1 - (need - fromSpaces) / heights);
        List<Block> result = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) result.add(shorter(blocks.get(i), i == 0 ? 1 : keep, closer));
        return result;
    }

    private double space(Paragraph paragraph) { return cascade.paragraph(paragraph).get(ParagraphProperty.SPACE_BEFORE, 0.0); }

    /** About how tall a block is; only proportions matter. */
    private double height(Block block) {
        if (block instanceof Paragraph paragraph) return 12.0 * Math.max(1, paragraph.length() / 80.0);
        if (block instanceof Contents contents) return 12.0 * contents.entries().size();
        if (block instanceof Table table) return table.rows().stream().mapToDouble(row -> row.look().get(TableProperty.ROW_HEIGHT, 14.0)).sum();
        return 0;
    }

    private Block shorter(Block block, double keep, double closer) {
        if (block instanceof Paragraph paragraph) return shorter(paragraph, keep, closer);
        if (closer > 0.9995) return block;
        if (block instanceof Contents contents)
            return contents.withEntries(contents.entries().stream().map(entry -> shorter(entry, keep, closer)).toList());
        if (!(block instanceof Table table)) return block;
        List<Table.Row> rows = new ArrayList<>();
        for (Table.Row row : table.rows()) {
            Look look = row.look().says(TableProperty.ROW_HEIGHT) ? row.look().with(TableProperty.ROW_HEIGHT,
                    BlockMaker.rounded(row.look().get(TableProperty.ROW_HEIGHT) * closer)) : row.look();
            List<Table.Cell> cells = new ArrayList<>();
            for (Table.Cell cell : row.cells()) {
                List<Block> inner = new ArrayList<>();
                for (Block one : cell.blocks()) inner.add(shorter(one, keep, closer));
                cells.add(cell.withBlocks(inner));
            }
            rows.add(new Table.Row(look, cells));
        }
        return new Table(table.look(), table.columns(), rows);
    }

    private Paragraph shorter(Paragraph paragraph, double keep, double closer) {
        Look look = paragraph.look();
        double space = space(paragraph);
        if (keep < 0.9995 && space > 0) look = look.with(ParagraphProperty.SPACE_BEFORE, Math.floor(space * keep * 20) / 20);
        LineSpacing spacing = cascade.paragraph(paragraph).get(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE);
        if (closer < 0.9995) look = look.with(ParagraphProperty.LINE_SPACING,
                new LineSpacing(spacing.rule(), Math.floor(spacing.value() * closer * 1000) / 1000));
        return look == paragraph.look() ? paragraph : told.apply(paragraph, paragraph.withLook(look));
    }
}
