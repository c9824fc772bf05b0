package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import java.util.ArrayList;
import java.util.List;

/** What was copied or cut out of a document: blocks, the first and last of them perhaps parts of paragraphs. */
public record Slice(List<Block> blocks) {
    public Slice { blocks = List.copyOf(blocks); }

    /** What is picked. Bookmark points stay where they are: no two places may have one name. */
    public static Slice of(Document document, Selection picked) {
        if (picked instanceof BlockSelection blocks)
            return new Slice(List.<Block>copyOf(document.children(blocks.story(), blocks.container()).subList(blocks.from(), blocks.to())).stream()
                    .map(Slice::pointless).toList());
        List<Block> pieces = new ArrayList<>();
        for (Selection.Stretch stretch : picked.stretches(document)) {
            Paragraph paragraph = stretch.paragraph();
            pieces.add(pointless(paragraph.withInlines(paragraph.part(Cut.before(stretch.from()), Cut.after(paragraph, stretch.to())))));
        }
        return new Slice(pieces);
    }

    private static Block pointless(Block block) {
        if (block instanceof Paragraph paragraph) return pointless(paragraph);
        if (block instanceof Contents contents) return contents.withEntries(contents.entries().stream().map(Slice::pointless)
                .toList());
        if (!(block instanceof Table table)) return block;
        return new Table(table.look(), table.columns(), table.rows().stream().map(row -> new Table.Row(row.look(), row.cells().stream()
                .map(cell -> cell.withBlocks(cell.blocks().stream().map(Slice::pointless).toList())).toList())).toList());
    }

    private static Paragraph pointless(Paragraph paragraph) {
        return paragraph.withInlines(paragraph.inlines().stream().filter(inline -> !(inline instanceof Inline.BookmarkPoint)).toList());
    }

    public boolean isEmpty() { return blocks.isEmpty(); }

    /** As plain text: a line for each paragraph, cells of a row parted by tabs. */
    public String text() {
        StringBuilder text = new StringBuilder();
        for (Block block : blocks) {
            if (!text.isEmpty()) text.append('\n');
            text.append(text(block));
        }
        return text.toString();
    }

    private static String text(Block block) {
        if (block instanceof Paragraph paragraph) return paragraph.plainText();
        if (block instanceof Contents contents) return new Slice(List.copyOf(contents.entries())).text();
        if (!(block instanceof Table table)) return "";
        List<String> rows = new ArrayList<>();
        for (Table.Row row : table.rows()) rows.add(String.join("\t", row.cells().stream().map(cell -> new Slice(cell.blocks()).text().replace('\n', ' '))
                .toList()));
        return String.join("\n", rows);
    }
}
