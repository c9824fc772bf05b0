package app.decant.format;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextFrame;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Documents for formats that know no frames of paragraphs and no tables that float: there these are boxes that hang on the paragraph behind them. A letter at
 * the head of a text is put back into it where a format has no pages.
 */
public final class FramedBlocks {
    /** A frame that says no width is as wide as its text, and no wider than a column is (ISO/IEC 29500-1, 17.3.1.11). */
    private static final double COLUMN = 468;
    private static final double AS_ITS_TEXT = 20;

    private final Function<Paragraph, TextFrame> frames;
    private final boolean tables;
    private final boolean paged;

    private FramedBlocks(Function<Paragraph, TextFrame> frames, boolean tables, boolean paged) {
        this.frames = frames;
        this.tables = tables;
        this.paged = paged;
    }

    private static FramedBlocks of(Document document, boolean tables, boolean paged) {
        Cascade cascade = Cascade.of(document);
        return new FramedBlocks(paragraph -> cascade.paragraph(paragraph).get(ParagraphProperty.FRAME), tables, paged);
    }

    /** Blocks as they are read, with framed ones put into the paragraph that follows. */
    public static List<Block> anchored(List<Block> blocks, Map<Paragraph, TextFrame> frames) {
        return new FramedBlocks(frames::get, false, true).anchored(blocks);
    }

    /** @param tables whether boxes of the format may hold tables */
    public static Document inBoxes(Document document, boolean tables) { return of(document, tables, true).of(document); }

    /** For what has no pages, where nothing stands beside text but in boxes. */
    public static Document flowing(Document document) { return of(document, false, false).of(document); }

    /** Whether a table floats among the blocks of its body. */
    public static boolean hasFloatingTable(Document document) { return document.blocks().stream().anyMatch(FramedBlocks::isFloating); }

    private static boolean isFloating(Block block) { return block instanceof Table table && table.look().get(TableProperty.FLOATING) != null; }

    private Document of(Document document) {
        List<Section> sections = new ArrayList<>();
        boolean any = false;
        for (Section section : document.sections()) {
            Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
            boolean same = true;
            for (Map.Entry<FramePlace, List<Block>> one : section.frames().entrySet()) {
                frames.put(one.getKey(), anchored(one.getValue()));
                same &= frames.get(one.getKey()) == one.getValue();
            }
            List<Block> blocks = anchored(section.blocks());
            any |= !same || blocks != section.blocks();
            sections.add(new Section(section.start(), section.page(), section.columns(), section.numbering(), frames, section.firstPageDiffers(), blocks,
                    section.kept(), section.dress()));
        }
        return any ? document.withSections(sections) : document;
    }

    private TextFrame frame(Block block) {
        return block instanceof Paragraph paragraph ? frames.apply(paragraph) : null;
    }

    /** The blocks with framed ones put into the paragraph that follows; the very same where there are none. */
    private List<Block> anchored(List<Block> blocks) {
        if (blocks.stream().noneMatch(block -> frame(block) != null || tables && isFloating(block))) return blocks;
        List<Block> result = new ArrayList<>();
        List<Inline> waiting = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) {
            Block block = blocks.get(i);
            TextFrame frame = frame(block);
            if (tables && isFloating(block)) {
                waiting.add(box((Table) block));
            } else if (frame != null) {
                List<Paragraph> inside = new ArrayList<>(List.of((Paragraph) block));
                while (i + 1 < blocks.size() && frame.equals(frame(blocks.get(i + 1)))) inside.add((Paragraph) blocks.get(++i));
                if (!paged && frame.dropped() > 0) inside.forEach(letter -> letter.inlines().forEach(one -> waiting.add(one.with(Look.PLAIN))));
                else waiting.add(new Inline.Floating(frame.anchor(), box(inside, frame), Look.PLAIN));
            } else if (!waiting.isEmpty() && block instanceof Paragraph paragraph) {
                List<Inline> inlines = new ArrayList<>(waiting);
                inlines.addAll(paragraph.inlines());
                result.add(paragraph.withInlines(inlines));
                waiting.clear();
            } else {
                result.add(block);
            }
        }
        if (!waiting.isEmpty()) result.add(new Paragraph(null, Look.PLAIN, Look.PLAIN, waiting));
        return result;
    }

    private static Inline.Floating box(Table table) {
        double width = table.columns().stream().mapToDouble(column -> Math.max(0, column)).sum();
        Table inside = new Table(table.look().without(TableProperty.FLOATING), table.columns(), table.rows());
        TextBox box = new TextBox(List.of(inside), Math.max(1, width), AS_ITS_TEXT, true, Insets.NONE, Border.NONE, null);
        return new Inline.Floating(table.look().get(TableProperty.FLOATING), box, Look.PLAIN);
    }

    /** What all paragraphs in a frame have around and behind them belongs to the box. */
    private static TextBox box(List<Paragraph> paragraphs, TextFrame frame) {
        Look first = paragraphs.get(0).look();
        Border border = first.get(ParagraphProperty.BORDERS) == null ? null : first.get(ParagraphProperty.BORDERS).top();
        boolean bordered = border != null && border.isVisible() && paragraphs.stream().allMatch(paragraph -> first.get(ParagraphProperty.BORDERS)
                .equals(paragraph.look().get(ParagraphProperty.BORDERS)));
        Colour fill = first.get(ParagraphProperty.SHADING);
        boolean filled = fill != null && paragraphs.stream().allMatch(paragraph -> fill.equals(paragraph.look().get(ParagraphProperty.SHADING)));
        List<Block> plain = new ArrayList<>();
        double size = 0;
        for (Paragraph paragraph : paragraphs) {
            Look look = paragraph.look().without(ParagraphProperty.FRAME);
            if (bordered) look = look.without(ParagraphProperty.BORDERS);
            if (filled) look = look.without(ParagraphProperty.SHADING);
            plain.add(paragraph.withLook(look));
            size = Math.max(size, paragraph.length());
        }
        double width = frame.width() > 0 ? frame.width() : Math.min(COLUMN, 40 + 6 * size);
        return new TextBox(plain, width, frame.height() > 0 ? frame.height() : AS_ITS_TEXT, frame.height() == 0, Insets.NONE, bordered ? border : Border.NONE,
                filled ? fill : null);
    }
}
