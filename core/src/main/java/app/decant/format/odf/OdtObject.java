package app.decant.format.odf;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.Archive;
import app.decant.format.Formats;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.slf4j.LoggerFactory;

/**
 * A document inside another one (ISO/IEC 26300-1, 10.4.6.2), where the picture that stands for it can't be shown: its text or its tables, or what is
 * drawn on its first page, with the looks they have there.
 */
final class OdtObject {
    private static final Map<String, String> KINDS = Map.of("office:text", "odt", "office:spreadsheet", "ods");

    private final Map<String, byte[]> parts = new LinkedHashMap<>();
    private final XmlNode main;
    private final Progress progress;

    /** @param folder the way to its parts among all of the file */
    OdtObject(Map<String, byte[]> all, String folder, Progress progress) {
        String way = Archive.plain(folder.replaceFirst("^\\./", "").replaceFirst("/$", "")) + "/";
        all.forEach((name, bytes) -> {
            if (name.startsWith(way) && name.length() > way.length()) parts.put(name.substring(way.length()), bytes);
        });
        this.progress = progress;
        main = tree(parts.get("content.xml"));
    }

    private static XmlNode tree(byte[] part) {
        try {
            return part == null ? null : XmlReader.tree(part, "content.xml");
        } catch (DecantException e) {
            LoggerFactory.getLogger(OdtObject.class).info("An object can't be read", e);
            return null;
        }
    }

    /** Its text or the tables of its first sheet; nothing where it is neither. */
    List<Block> blocks() {
        XmlNode body = main == null ? null : main.child("office:body");
        for (Map.Entry<String, String> kind : KINDS.entrySet()) {
            if (body == null || body.child(kind.getKey()) == null) continue;
            try {
                String type = "application/vnd.oasis.opendocument." + (kind.getValue().equals("odt") ? "text" : "spreadsheet");
                Document read = Formats.read(Archive.packed(type, new TreeMap<>(parts)), "object." + kind.getValue(), null, progress).document();
                Section first = read.sections().get(0);
                List<Block> all = new ArrayList<>();
                Cascade cascade = Cascade.of(read);
                if (kind.getValue().equals("odt")) for (Section section : read.sections()) all.addAll(section.blocks());
                // The name of the sheet is its heading in a text of its own.
                else for (Block block : first.blocks()) if (!(block instanceof Paragraph one && cascade.outlineLevel(one) > 0)) all.add(block);
                return new Freed(cascade, ListLabels.of(read, cascade)).blocks(all);
            } catch (DecantException e) {
                LoggerFactory.getLogger(OdtObject.class).info("An object can't be read", e);
                return List.of();
            }
        }
        return List.of();
    }

    /** What is drawn on its first page, each thing from the page's corner; nothing where it is no drawing. */
    List<Inline.Floating> drawn() {
        XmlNode body = main == null ? null : main.child("office:body");
        XmlNode drawing = body == null ? null : body.child("office:drawing") != null ? body.child("office:drawing") : body.child("office:presentation");
        XmlNode page = drawing == null ? null : drawing.child("draw:page");
        List<Inline.Floating> drawn = new ArrayList<>();
        if (page == null) return drawn;
        OdtSheet sheet = new OdtSheet(tree(parts.get("styles.xml")), main);
        OdtFrames frames = new OdtReader(parts, sheet, progress).frames();
        Freed freed = new Freed(new Cascade(sheet.styles(), sheet.numbering()), null);
        for (XmlNode child : page.children()) {
            if (!child.name().startsWith("draw:") || "true".equals(child.get("presentation:placeholder"))) continue;
            for (Inline inline : frames.floating(child, Look.PLAIN)) {
                if (!(inline instanceof Inline.Floating floating)) continue;
                drawn.add(floating.content() instanceof TextBox box ? new Inline.Floating(floating.anchor(), box.withBlocks(freed.blocks(box.blocks())),
                        Look.PLAIN) : floating);
            }
        }
        return drawn;
    }

    /** Makes blocks say themselves what the styles of their document said of them. */
    private record Freed(Cascade cascade, ListLabels labels) {
        List<Block> blocks(List<? extends Block> blocks) {
            List<Block> freed = new ArrayList<>();
            for (Block block : blocks) {
                if (block instanceof Paragraph paragraph) freed.add(paragraph(paragraph, Look.PLAIN));
                else if (block instanceof Table table) freed.add(table(table));
                else if (block instanceof Contents contents) freed.addAll(blocks(contents.entries()));
            }
            return freed;
        }

        private Paragraph paragraph(Paragraph told, Look table) {
            List<Inline> inlines = new ArrayList<>();
            String label = labels == null ? null : labels.label(told);
            Look mark = cascade.text(told, told.mark(), table).without(TextProperty.STYLE);
            if (label != null && !label.isEmpty()) inlines.add(new Inline.Text(label + " ", mark));
            for (Inline inline : told.inlines()) {
                // Boxes have no place for notes, and nothing leads into another document.
                if (inline instanceof Inline.Note || inline instanceof Inline.BookmarkPoint || inline instanceof Inline.Floating) continue;
                inlines.add(inline.with(cascade.text(told, inline.look(), table).without(TextProperty.STYLE).without(TextProperty.LINK)));
            }
            Look look = cascade.paragraph(told, table).without(ParagraphProperty.LIST).without(ParagraphProperty.OUTLINE_LEVEL);
            return new Paragraph(null, look, mark, inlines);
        }

        private Table table(Table table) {
            List<Table.Row> rows = new ArrayList<>();
            for (int r = 0; r < table.rows().size(); r++) {
                List<Table.Cell> cells = new ArrayList<>();
                for (Table.Cell cell : table.rows().get(r).cells()) {
                    Look look = cascade.cell(table, r, cell);
                    List<Block> inside = new ArrayList<>();
                    for (Block block : cell.blocks()) inside.addAll(block instanceof Paragraph one ? List.of(paragraph(one, look)) : blocks(List.of(block)));
                    cells.add(new Table.Cell(cell.column(), cell.columnSpan(), cell.rowSpan(), look, inside));
                }
                rows.add(new Table.Row(table.rows().get(r).look(), cells));
            }
            return new Table(cascade.table(table), table.columns(), rows);
        }
    }
}
