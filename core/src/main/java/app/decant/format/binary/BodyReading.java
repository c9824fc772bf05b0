package app.decant.format.binary;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextFrame;
import app.decant.document.TextProperty;
import app.decant.font.SymbolEncoding;
import app.decant.format.FieldStack;
import app.decant.format.FormTold;
import app.decant.format.FramedBlocks;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Reads a stretch of a file's text as blocks: paragraphs, cells, fields, and the signs that stand for notes and pictures (MS-DOC 2.4.3). */
final class BodyReading {
    private static final int MOST_DEPTH = 40;

    private final DocReader reader;
    private final FieldStack fields = new FieldStack();

    BodyReading(DocReader reader) { this.reader = reader; }

    /** A paragraph as read. */
    private record Read(Paragraph paragraph, int depth, boolean endsCell, boolean endsRow, List<Modifier> modifiers, String contents,
            TextFrame frame) { }

    /** The blocks between two places. */
    List<Block> blocks(int from, int to) {
        List<Read> paragraphs = new ArrayList<>();
        for (Stretch one : reader.paragraphs(from, to)) paragraphs.add(read(one, Math.max(from, one.from()), Math.min(to, one.to()), to));
        List<Block> blocks = new ArrayList<>();
        int[] at = {0};
        while (at[0] < paragraphs.size()) blocks.addAll(level(paragraphs, at, 0));
        Map<Paragraph, String> entries = new IdentityHashMap<>();
        Map<Paragraph, TextFrame> frames = new IdentityHashMap<>();
        for (Read one : paragraphs) {
            if (one.contents != null) entries.put(one.paragraph, one.contents);
            if (one.frame != null && one.frame.dropped() == 0) frames.put(one.paragraph, one.frame);
        }
        return FramedBlocks.anchored(Contents.grouped(blocks, entries), frames);
    }

    /** Blocks at one depth of tables, up to where a cell or row of the table outside ends. */
    private List<Block> level(List<Read> paragraphs, int[] at, int depth) {
        List<Block> blocks = new ArrayList<>();
        while (at[0] < paragraphs.size()) {
            Read one = paragraphs.get(at[0]);
            if (one.depth < depth) return blocks;
            if (one.depth > depth && depth < MOST_DEPTH) {
                blocks.addAll(table(paragraphs, at, depth + 1));
                continue;
            }
            if (one.endsRow && depth > 0) return blocks;
            at[0]++;
            blocks.add(one.paragraph);
            if (one.endsCell && depth > 0) return blocks;
        }
        return blocks;
    }

    private List<Block> table(List<Read> paragraphs, int[] at, int depth) {
        RowReading rows = new RowReading();
        List<List<Block>> cells = new ArrayList<>();
        List<Block> loose = new ArrayList<>();
        while (at[0] < paragraphs.size() && paragraphs.get(at[0]).depth >= depth) {
            Read one = paragraphs.get(at[0]);
            if (one.depth == depth && one.endsRow) {
                at[0]++;
                // The mark of a row's end stands alone; where there is text beside it, that is the last cell's.
                if (!one.paragraph.plainText().isBlank()) cells.add(List.of(one.paragraph));
                if (!cells.isEmpty()) rows.row(cells, one.modifiers);
                cells = new ArrayList<>();
                continue;
            }
            int before = at[0];
            List<Block> cell = level(paragraphs, at, depth);
            if (at[0] == before) at[0]++;
            cells.add(cell);
        }
        // A row without its end mark is damaged; its text is kept.
        for (List<Block> cell : cells) loose.addAll(cell);
        List<Block> blocks = new ArrayList<>();
        if (!rows.isEmpty()) blocks.add(rows.table());
        blocks.addAll(loose);
        return blocks;
    }

    /** @param stretch where it ends, where a section may end with the same sign as a page */
    private Read read(Stretch one, int from, int to, int stretch) {
        List<Modifier> modifiers = one.modifiers();
        boolean inTable = false;
        boolean rowEnd = false;
        boolean innerCell = false;
        boolean innerRow = false;
        int depth = 0;
        for (Modifier modifier : modifiers) {
            switch (modifier.code()) {
                case 0x2416 -> inTable = modifier.on();
                case 0x2417 -> rowEnd = modifier.on();
                case 0x244B -> innerCell = modifier.on();
                case 0x244C -> innerRow = modifier.on();
                case 0x6649 -> depth = modifier.four();
                default -> { }
            }
        }
        depth = Math.max(depth, inTable ? 1 : 0);
        String contents = fields.contents();
        List<Inline> inlines = new ArrayList<>();
        Look mark = Look.PLAIN;
        String[] began = new String[1];
        char last = to > from ? reader.text().charAt(to - 1) : '\r';
        boolean ends = last == '\r' || last == '\f' || last == '\u0007';
        for (Stretch run : reader.runs(from, to)) {
            List<Modifier> properties = run.modifiers();
            Look look = reader.looks().text(properties, reader.styled(one.style(), properties));
            int start = Math.max(from, run.from());
            int end = Math.min(to, run.to());
            if (end == to && ends) {
                mark = look;
                end--;
            }
            signs(start, end, look, properties, inlines, began);
        }
        if (last == '\f' && to < stretch) fields.put(new Inline.Text(String.valueOf(Inline.PAGE_BREAK), mark), inlines);
        if (ends) for (Inline.BookmarkPoint point : reader.bookmarksAt(to - 1)) fields.put(point, inlines);
        fields.flush(inlines);
        boolean cell = depth == 1 && last == '\u0007' && !rowEnd || depth > 1 && innerCell && !innerRow;
        boolean row = depth == 1 && rowEnd || depth > 1 && innerRow;
        Look look = reader.looks().paragraph(modifiers, reader::list);
        // A letter at the head of a text stays one; other frames are boxes.
        TextFrame frame = depth > 0 ? null : FrameReading.of(modifiers);
        if (frame != null && frame.dropped() > 0) look = look.with(ParagraphProperty.FRAME, frame);
        Paragraph paragraph = new Paragraph(reader.style(one.style()), look, mark, List.of()).withInlines(inlines).wellFormed();
        paragraph = reader.comments().ended(paragraph);
        return new Read(paragraph, depth, cell, row, modifiers, contents == null ? began[0] : contents, frame);
    }

    private void signs(int from, int to, Look look, List<Modifier> properties, List<Inline> inlines, String[] began) {
        String symbol = symbol(properties);
        if (symbol != null) {
            if (fields.isInInstruction()) fields.instruct(symbol.repeat(to - from));
            else if (to > from) fields.put(new Inline.Text(symbol.repeat(to - from), look.without(TextProperty.FAMILY)), inlines);
            return;
        }
        boolean special = properties.stream().anyMatch(property -> property.code() == 0x0855 && property.on());
        StringBuilder plain = new StringBuilder();
        for (int at = from; at < to; at++) {
            char sign = reader.text().charAt(at);
            for (Inline.BookmarkPoint point : reader.bookmarksAt(at)) {
                text(plain, look, inlines);
                fields.put(point, inlines);
            }
            if (reader.comments().turnsAt(at)) {
                text(plain, look, inlines);
                reader.comments().turn(at);
            }
            boolean field = sign == '\u0013' || sign == '\u0014' || sign == '\u0015';
            if (!field && !(special && sign < ' ' && sign != '\t')) {
                if (fields.isInInstruction()) fields.instruct(String.valueOf(sign));
                else plain.append(sign(sign));
                continue;
            }
            text(plain, look, inlines);
            switch (sign) {
                case '\u0013' -> fields.begin();
                case '\u0014' -> {
                    if (fields.separate()) began[0] = fields.contents();
                }
                case '\u0015' -> fields.end(look, inlines);
                case '\u0002' -> fields.put(reader.note(at, look), inlines);
                case '\u0005' -> reader.comments().mark(at, inlines);
                case '\u0001' -> {
                    FormTold form = reader.drawings().form(properties);
                    if (form != null) fields.form(form);
                    Inline picture = reader.drawings().inline(properties, look);
                    if (picture != null) fields.put(picture, inlines);
                }
                case '\u0008' -> {
                    for (Inline drawn : reader.drawn().at(at, look)) fields.put(drawn, inlines);
                }
                default -> { }
            }
        }
        text(plain, look, inlines);
    }

    /** The sign of a pictorial font that stands in place of the text's own bracket (sprmCSymbol, 2.9.43), or null. */
    private String symbol(List<Modifier> properties) {
        for (Modifier property : properties) {
            if (property.code() != 0x6A09 || property.operand().length < 4) continue;
            String family = reader.font(Modifiers.two(property.operand(), 0));
            int code = Modifiers.two(property.operand(), 2);
            if (SymbolEncoding.isPictorial(family)) return SymbolEncoding.unicode(family, String.valueOf((char) (code < 0x100 ? code + 0xF000 : code)));
            return code >= 0xF000 && code <= 0xF0FF ? String.valueOf((char) (code & 0xFF)) : String.valueOf((char) code);
        }
        return null;
    }

    private static String sign(char sign) {
        return switch (sign) {
            case '\u000B' -> String.valueOf(Inline.LINE_BREAK);
            case '\f' -> String.valueOf(Inline.PAGE_BREAK);
            case '\u000E' -> String.valueOf(Inline.COLUMN_BREAK);
            case '\u001E' -> "\u2011";
            case '\u001F' -> "\u00AD";
            default -> sign < ' ' && sign != '\t' ? "" : String.valueOf(sign);
        };
    }

    private void text(StringBuilder plain, Look look, List<Inline> inlines) {
        if (!plain.isEmpty()) fields.put(new Inline.Text(plain.toString(), reader.comments().on(look)), inlines);
        plain.setLength(0);
    }
}
