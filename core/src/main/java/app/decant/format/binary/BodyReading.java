package app.decant.format.binary;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.hwpf.model.CHPX;
import org.apache.poi.hwpf.model.PAPX;

/** Reads a stretch of a file's text as blocks: paragraphs, cells, fields, and the signs that stand for notes and pictures (MS-DOC 2.4.3). */
final class BodyReading {
    private static final Pattern LEVELS = Pattern.compile("\\\\o\\s+\"?(\\d)\\s*-\\s*(\\d)");
    private static final int MOST_DEPTH = 40;

    private final DocReader reader;
    private final Deque<OpenField> fields = new ArrayDeque<>();

    BodyReading(DocReader reader) { this.reader = reader; }

    /** A field that has begun: where its inlines go, and what it says. */
    private static final class OpenField {
        final StringBuilder instruction = new StringBuilder();
        final List<Inline> result = new ArrayList<>();
        boolean separated;

        boolean isContents() { return instruction.toString().trim().toUpperCase(Locale.ROOT).startsWith("TOC"); }
    }

    /** A paragraph as read. */
    private record Read(Paragraph paragraph, int depth, boolean endsCell, boolean endsRow, List<Modifier> modifiers, boolean contents, String contentsInstruction, FrameReading.Frame frame) { }

    /** The blocks between two places. */
    List<Block> blocks(int from, int to) {
        List<Read> paragraphs = new ArrayList<>();
        for (PAPX one : reader.paragraphs(from, to)) paragraphs.add(read(one, Math.max(from, one.getStart()), Math.min(to, one.getEnd())));
        List<Block> blocks = new ArrayList<>();
        int[] at = {0};
        while (at[0] < paragraphs.size()) blocks.addAll(level(paragraphs, at, 0));
        return FrameReading.anchored(grouped(blocks, paragraphs), paragraphs.stream().filter(one -> one.frame != null).collect(java.util.stream.Collectors.toMap(one -> one.paragraph, Read::frame, (a, b) -> a, java.util.IdentityHashMap::new)));
    }

    /** Entries of a contents list, one behind another, become one list. */
    private static List<Block> grouped(List<Block> blocks, List<Read> paragraphs) {
        java.util.Map<Paragraph, Read> known = new java.util.IdentityHashMap<>();
        for (Read one : paragraphs) if (one.contents) known.put(one.paragraph, one);
        if (known.isEmpty()) return blocks;
        List<Block> result = new ArrayList<>();
        List<Paragraph> entries = new ArrayList<>();
        String instruction = null;
        for (Block block : blocks) {
            Read read = block instanceof Paragraph paragraph ? known.get(paragraph) : null;
            if (read != null) {
                if (instruction == null) instruction = read.contentsInstruction;
                entries.add(read.paragraph);
                continue;
            }
            if (!entries.isEmpty()) result.add(contents(entries, instruction));
            entries = new ArrayList<>();
            instruction = null;
            result.add(block);
        }
        if (!entries.isEmpty()) result.add(contents(entries, instruction));
        return result;
    }

    private static Contents contents(List<Paragraph> entries, String instruction) {
        Matcher levels = LEVELS.matcher(instruction == null ? "" : instruction);
        boolean told = levels.find();
        return new Contents(told ? Integer.parseInt(levels.group(1)) : 1, told ? Integer.parseInt(levels.group(2)) : 3, entries);
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

    private Read read(PAPX one, int from, int to) {
        List<Modifier> modifiers = Modifiers.in(one.getGrpprl(), 2);
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
        boolean contents = fields.stream().anyMatch(OpenField::isContents);
        String instruction = fields.stream().filter(OpenField::isContents).map(field -> field.instruction.toString()).findFirst().orElse(null);
        List<Inline> inlines = new ArrayList<>();
        Look mark = Look.PLAIN;
        boolean[] began = new boolean[1];
        String[] told = new String[1];
        char last = to > from ? reader.text().charAt(to - 1) : '\r';
        boolean ends = last == '\r' || last == '\f' || last == '\u0007';
        for (CHPX run : reader.runs(from, to)) {
            List<Modifier> properties = Modifiers.in(run.getGrpprl(), 0);
            Look look = reader.looks().text(properties);
            int start = Math.max(from, run.getStart());
            int end = Math.min(to, run.getEnd());
            if (end == to && ends) {
                mark = look;
                end--;
            }
            boolean deleted = properties.stream().anyMatch(property -> property.code() == 0x0800 && property.on());
            if (!deleted) signs(start, end, look, properties, inlines, began, told);
        }
        if (ends) for (Inline.BookmarkPoint point : reader.bookmarksAt(to - 1)) put(point, inlines);
        if (!fields.isEmpty()) flush(inlines);
        boolean cell = depth == 1 && last == '\u0007' && !rowEnd || depth > 1 && innerCell && !innerRow;
        boolean row = depth == 1 && rowEnd || depth > 1 && innerRow;
        Look look = reader.looks().paragraph(modifiers, reader::list);
        Paragraph paragraph = new Paragraph(reader.style(one.getIstd()), look, mark, List.of()).withInlines(inlines);
        return new Read(paragraph, depth, cell, row, modifiers, contents || began[0], instruction == null ? told[0] : instruction, depth > 0 ? null : FrameReading.of(modifiers));
    }

    /** What fields that go on over the paragraph's end hold so far stays in this paragraph. */
    private void flush(List<Inline> inlines) {
        List<OpenField> open = new ArrayList<>(fields);
        java.util.Collections.reverse(open);
        for (OpenField field : open) {
            inlines.addAll(field.result);
            field.result.clear();
        }
    }

    private void put(Inline inline, List<Inline> inlines) {
        OpenField field = fields.peek();
        if (field == null) inlines.add(inline);
        else if (field.separated) field.result.add(inline);
    }

    private void signs(int from, int to, Look look, List<Modifier> properties, List<Inline> inlines, boolean[] began, String[] told) {
        boolean special = properties.stream().anyMatch(property -> property.code() == 0x0855 && property.on());
        StringBuilder plain = new StringBuilder();
        for (int at = from; at < to; at++) {
            char sign = reader.text().charAt(at);
            for (Inline.BookmarkPoint point : reader.bookmarksAt(at)) {
                text(plain, look, inlines);
                put(point, inlines);
            }
            boolean field = sign == '\u0013' || sign == '\u0014' || sign == '\u0015';
            if (!field && !(special && sign < ' ' && sign != '\t')) {
                OpenField open = fields.peek();
                if (open != null && !open.separated) open.instruction.append(sign);
                else plain.append(sign(sign));
                continue;
            }
            text(plain, look, inlines);
            switch (sign) {
                case '\u0013' -> fields.push(new OpenField());
                case '\u0014' -> {
                    if (fields.isEmpty()) break;
                    fields.peek().separated = true;
                    if (fields.peek().isContents()) {
                        began[0] = true;
                        told[0] = fields.peek().instruction.toString();
                    }
                }
                case '\u0015' -> end(look, inlines);
                case '\u0002' -> put(reader.note(at, look), inlines);
                case '\u0001' -> {
                    Inline picture = reader.drawings().inline(properties, look);
                    if (picture != null) put(picture, inlines);
                }
                case '\u0008' -> {
                    Inline drawn = reader.drawings().floating(at, look);
                    if (drawn != null) put(drawn, inlines);
                }
                default -> { }
            }
        }
        text(plain, look, inlines);
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
        if (!plain.isEmpty()) put(new Inline.Text(plain.toString(), look), inlines);
        plain.setLength(0);
    }

    private void end(Look look, List<Inline> inlines) {
        if (fields.isEmpty()) return;
        OpenField field = fields.pop();
        String instruction = field.instruction.toString().trim();
        String name = instruction.split("\\s+", 2)[0].toUpperCase(Locale.ROOT);
        if (field.isContents()) {
            for (Inline inline : field.result) put(inline, inlines);
            return;
        }
        if (name.equals("HYPERLINK")) {
            Link link = link(instruction);
            for (Inline inline : field.result) put(link == null || inline.length() == 0 ? inline : inline.with(inline.look().with(TextProperty.LINK, link)), inlines);
            return;
        }
        Inline.Field.Kind kind = kind(name);
        boolean plain = field.result.stream().allMatch(inline -> inline instanceof Inline.Text || inline.length() == 0);
        if (kind == Inline.Field.Kind.OTHER && !plain || name.isEmpty()) {
            for (Inline inline : field.result) put(inline, inlines);
            return;
        }
        StringBuilder result = new StringBuilder();
        Look shown = look;
        for (Inline inline : field.result) {
            if (!(inline instanceof Inline.Text text)) continue;
            if (result.isEmpty()) shown = text.look();
            result.append(text.text());
        }
        put(new Inline.Field(kind, instruction, result.toString(), shown), inlines);
    }

    private static Link link(String instruction) {
        Matcher target = Pattern.compile("\"([^\"]*)\"|(?<!\\\\)\\b(?!HYPERLINK\\b)([^\\s\"\\\\]+)").matcher(instruction.substring(9));
        boolean inside = instruction.matches("(?is).*\\\\l\\b.*");
        String first = null;
        while (target.find()) {
            String one = target.group(1) != null ? target.group(1) : target.group(2);
            if (one.length() > 1) {
                first = one;
                break;
            }
        }
        if (first == null) return null;
        return inside ? new Link.Inside(first) : new Link.Address(first);
    }

    private static Inline.Field.Kind kind(String name) {
        return switch (name) {
            case "PAGE" -> Inline.Field.Kind.PAGE;
            case "NUMPAGES" -> Inline.Field.Kind.PAGES;
            case "SECTIONPAGES" -> Inline.Field.Kind.SECTION_PAGES;
            case "DATE" -> Inline.Field.Kind.DATE;
            case "TIME" -> Inline.Field.Kind.TIME;
            case "TITLE" -> Inline.Field.Kind.TITLE;
            case "AUTHOR" -> Inline.Field.Kind.AUTHOR;
            case "FILENAME" -> Inline.Field.Kind.FILE_NAME;
            case "REF" -> Inline.Field.Kind.REFERENCE;
            case "PAGEREF" -> Inline.Field.Kind.PAGE_REFERENCE;
            default -> Inline.Field.Kind.OTHER;
        };
    }
}
