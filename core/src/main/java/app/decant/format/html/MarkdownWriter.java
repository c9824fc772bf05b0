package app.decant.format.html;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.formula.FormulaWords;
import app.decant.format.FramedBlocks;
import app.decant.format.Written;
import app.decant.words.Message;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.commonmark.ext.gfm.strikethrough.Strikethrough;
import org.commonmark.ext.gfm.tables.TableBlock;
import org.commonmark.ext.gfm.tables.TableBody;
import org.commonmark.ext.gfm.tables.TableCell;
import org.commonmark.ext.gfm.tables.TableHead;
import org.commonmark.ext.gfm.tables.TableRow;
import org.commonmark.node.BulletList;
import org.commonmark.node.Emphasis;
import org.commonmark.node.HardLineBreak;
import org.commonmark.node.Heading;
import org.commonmark.node.ListBlock;
import org.commonmark.node.ListItem;
import org.commonmark.node.Node;
import org.commonmark.node.OrderedList;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.node.Text;
import org.commonmark.renderer.markdown.MarkdownRenderer;

/** Writes Markdown (CommonMark, with tables and struck text): headings, lists, tables, links, emphasis; notes at the end. */
public final class MarkdownWriter {
    /** Headings go no deeper (CommonMark 0.31, 4.2). */
    private static final int DEEPEST = 6;

    private final Document document;
    private final Cascade cascade;
    private final ListLabels labels;
    private final List<Inline.Note> notes = new ArrayList<>();
    private boolean pictures;
    /** Heads of tables are bold in themselves. */
    private boolean inHead;

    /** A run of text that looks alike, as far as Markdown tells looks. */
    private record Run(String text, boolean bold, boolean italic, boolean struck, String address) {
        boolean isLike(Run other) { return bold == other.bold && italic == other.italic && struck == other.struck && address.equals(other.address); }
    }

    private MarkdownWriter(Document document) {
        this.document = document;
        cascade = Cascade.of(document);
        labels = ListLabels.of(document, cascade);
    }

    public static Written write(Document framed) {
        Document document = FramedBlocks.flowing(FormulaWords.of(framed));
        MarkdownWriter writer = new MarkdownWriter(document);
        Node root = new org.commonmark.node.Document();
        writer.blocks(document.blocks(), root);
        for (int i = 0; i < writer.notes.size(); i++) {
            Node note = new org.commonmark.node.Paragraph();
            note.appendChild(new Text("[" + (i + 1) + "]"));
            writer.cell(writer.notes.get(i).blocks(), note);
            root.appendChild(note);
        }
        List<Finding> findings = new ArrayList<>(List.of(Finding.changed(Message.of("html.markdown-holds-words-headings-lists-tables"))));
        if (writer.pictures) findings.add(Finding.lost(Message.of("html.pictures-are-left-out-of-the-markdown")));
        String made = MarkdownRenderer.builder().extensions(MarkdownReader.EXTENSIONS).build().render(root);
        return new Written(made.getBytes(StandardCharsets.UTF_8), findings);
    }

    private void blocks(List<? extends Block> blocks, Node into) {
        List<ListBlock> open = new ArrayList<>();
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph && isItem(paragraph)) {
                item(paragraph, open, into);
                continue;
            }
            open.clear();
            if (block instanceof Paragraph paragraph) paragraph(paragraph, into);
            else if (block instanceof Contents contents) for (Paragraph entry : contents.entries()) plain(entry, "", into);
            else if (block instanceof Table table) table(table, into);
        }
    }

    private boolean isItem(Paragraph paragraph) {
        ParagraphProperty.ListReference list = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        return cascade.outlineLevel(paragraph) == 0 && list != null && list.list() != null && labels.label(paragraph) != null && document.numbering()
                .level(list) != null;
    }

    private void item(Paragraph paragraph, List<ListBlock> open, Node into) {
        ParagraphProperty.ListReference list = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        String label = labels.label(paragraph);
        NumberFormat format = document.numbering().level(list).format();
        boolean counted = format == NumberFormat.DECIMAL && label.matches("\\d{1,9}[.)]");
        int depth = Math.min(list.level(), open.size());
        while (open.size() > depth + 1) open.remove(open.size() - 1);
        boolean goesOn = open.size() == depth + 1 && open.get(depth) instanceof OrderedList == counted && (!counted || follows(open.get(depth), label));
        if (!goesOn) {
            if (open.size() > depth) open.remove(depth);
            Node parent = depth == 0 ? into : open.get(depth - 1).getLastChild();
            ListBlock made = counted ? ordered(label, parent.getLastChild()) : new BulletList();
            made.setTight(true);
            parent.appendChild(made);
            open.add(made);
        }
        Node text = new org.commonmark.node.Paragraph();
        // Markdown knows no letters that count.
        if (!counted && format != NumberFormat.BULLET) text.appendChild(new Text(label + " "));
        line(paragraph, text, false);
        ListItem item = new ListItem();
        item.appendChild(text);
        open.get(depth).appendChild(item);
        boxes(paragraph, item);
    }

    private static int count(String label) { return Integer.parseInt(label.substring(0, label.length() - 1)); }

    /** Whether a label is the next one of a list: Markdown counts by itself from the first. */
    private static boolean follows(ListBlock list, String label) {
        int items = 0;
        for (Node item = list.getFirstChild(); item != null; item = item.getNext()) items++;
        return ((OrderedList) list).getMarkerStartNumber() + items == count(label);
    }

    /** @param last what it follows at once: if it is a list, only another sign behind its numbers parts them (CommonMark 0.31, 5.3); or null */
    private static OrderedList ordered(String label, Node last) {
        OrderedList list = new OrderedList();
        list.setMarkerStartNumber(count(label));
        String sign = label.substring(label.length() - 1);
        boolean joined = last instanceof OrderedList before && sign.equals(before.getMarkerDelimiter());
        list.setMarkerDelimiter(joined ? sign.equals(".") ? ")" : "." : sign);
        return list;
    }

    private void paragraph(Paragraph paragraph, Node into) {
        String label = labels.label(paragraph);
        String before = label == null || label.isBlank() ? "" : label + " ";
        int level = cascade.outlineLevel(paragraph);
        if (level == 0) {
            plain(paragraph, before, into);
        } else {
            Heading heading = new Heading();
            heading.setLevel(Math.min(DEEPEST, level));
            if (!before.isEmpty()) heading.appendChild(new Text(before));
            line(paragraph, heading, true);
            if (!before.isEmpty() || !paragraph.text().isBlank()) into.appendChild(heading);
        }
        boxes(paragraph, into);
    }

    private void plain(Paragraph paragraph, String before, Node into) {
        Node text = new org.commonmark.node.Paragraph();
        if (!before.isEmpty()) text.appendChild(new Text(before));
        line(paragraph, text, false);
        if (text.getFirstChild() != null && !paragraph.text().isBlank()) into.appendChild(text);
    }

    private void boxes(Paragraph paragraph, Node into) {
        for (Inline inline : paragraph.inlines())
            if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) blocks(box.blocks(), into);
    }

    private void table(Table table, Node into) {
        if (table.rows().isEmpty()) return;
        Node block = new TableBlock();
        Node head = new TableHead();
        Node body = new TableBody();
        block.appendChild(head);
        for (Table.Row row : table.rows()) {
            Node line = new TableRow();
            for (int column = 0; column < table.columns().size(); column++) {
                TableCell made = new TableCell();
                inHead = head.getFirstChild() == null;
                made.setHeader(inHead);
                for (Table.Cell cell : row.cells()) if (cell.column() == column) cell(cell.blocks(), made);
                line.appendChild(made);
                inHead = false;
            }
            (head.getFirstChild() == null ? head : body).appendChild(line);
        }
        if (body.getFirstChild() != null) block.appendChild(body);
        into.appendChild(block);
    }

    /** All that a cell says in its one line, tables and boxes in it included. */
    private void cell(List<? extends Block> blocks, Node into) {
        for (Block block : blocks) {
            if (block instanceof Contents contents) cell(contents.entries(), into);
            else if (block instanceof Table inner) for (Table.Row row : inner.rows()) for (Table.Cell one : row.cells()) cell(one.blocks(), into);
            if (!(block instanceof Paragraph paragraph)) continue;
            if (into.getFirstChild() != null && paragraph.length() > 0) into.appendChild(new Text(" "));
            String label = labels.label(paragraph);
            if (label != null && !label.isBlank()) into.appendChild(new Text(label + " "));
            line(paragraph, into, true);
            for (Inline inline : paragraph.inlines())
                if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) cell(box.blocks(), into);
        }
    }

    /** @param whole whether it has to be one line, as in headings and cells */
    private void line(Paragraph paragraph, Node into, boolean whole) {
        List<Run> runs = runs(paragraph);
        for (int i = 0; i < runs.size(); i++) {
            Run run = runs.get(i);
            // Signs of emphasis stand at letters, never at spaces; nor do lines begin or end with those.
            String core = run.text.strip();
            int from = core.isEmpty() ? run.text.length() : run.text.indexOf(core);
            if (i > 0 || from < run.text.length() && !run.text.substring(0, from).isBlank()) words(run.text.substring(0, from), into, whole);
            if (core.isEmpty()) continue;
            Node inner = into;
            if (!run.address.isEmpty()) inner = within(inner, new org.commonmark.node.Link(run.address, null));
            if (run.struck) inner = within(inner, new Strikethrough("~~"));
            if (run.bold && !inHead) inner = within(inner, new StrongEmphasis());
            if (run.italic) inner = within(inner, new Emphasis());
            words(core, inner, whole);
            if (i < runs.size() - 1) words(run.text.substring(from + core.length()), into, whole);
        }
    }

    private static Node within(Node outer, Node inner) {
        outer.appendChild(inner);
        return inner;
    }

    private static void words(String text, Node into, boolean whole) {
        String[] lines = (whole ? text.replace('\n', ' ') : text).split("\n", -1);
        for (int i = 0; i < lines.length; i++) {
            if (i > 0) into.appendChild(new HardLineBreak());
            if (!lines[i].isEmpty()) into.appendChild(new Text(lines[i]));
        }
    }

    private List<Run> runs(Paragraph paragraph) {
        List<Run> runs = new ArrayList<>();
        Look style = cascade.text(new Paragraph(paragraph.style(), Look.PLAIN, Look.PLAIN, List.of()), Look.PLAIN);
        for (Inline inline : paragraph.inlines()) {
            Look look = cascade.text(paragraph, inline.look());
            if (inline instanceof Inline.Text run) {
                add(runs, run.text(), look, style);
            } else if (inline instanceof Inline.Field field && field.kind() != Inline.Field.Kind.NOTE_MARK) {
                add(runs, field.result(), look, style);
            } else if (inline instanceof Inline.Note note) {
                notes.add(note);
                add(runs, "[" + notes.size() + "]", Look.PLAIN, Look.PLAIN);
            } else if (inline instanceof Inline.InlinePicture || inline instanceof Inline.Floating floating && floating.content() instanceof Picture) {
                pictures = true;
            }
        }
        return runs;
    }

    private static void add(List<Run> runs, String text, Look look, Look style) {
        String plain = text.replace("\f", "").replace("\u000B", "").replace('\t', ' ');
        if (plain.isEmpty()) return;
        String address = look.get(TextProperty.LINK) instanceof Link.Address link ? link.uri() : "";
        Run run = new Run(plain, look.is(TextProperty.BOLD) && !style.is(TextProperty.BOLD), look.is(TextProperty.ITALIC) && !style.is(TextProperty.ITALIC),
                look.is(TextProperty.STRIKE), address);
        Run before = runs.isEmpty() ? null : runs.get(runs.size() - 1);
        if (before == null || !before.isLike(run)) runs.add(run);
        else runs.set(runs.size() - 1, new Run(before.text + plain, run.bold, run.italic, run.struck, address));
    }
}
