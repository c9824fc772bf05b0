package app.decant.format;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Opaque;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.words.Message;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Leaves out of a document what would run something or reach into a machine once somebody opens a result: links by other schemes than the usual ones,
 * fields that fetch, and what kept parts fetch from outside. The words stay; what was left out is told, a line for each kind.
 */
public final class PassingLinks {
    /** Fields that fetch or start something when a word processor works them out (ISO/IEC 29500-1, 17.16.5; MS-DOC, 2.9.90). */
    private static final Set<String> FETCHING = Set.of("DDE", "DDEAUTO", "LINK", "INCLUDE", "INCLUDETEXT", "INCLUDEPICTURE", "IMPORT", "DATABASE",
            "MACROBUTTON", "RD", "HTMLACTIVEX", "CONTROL", "ADDIN");
    private static final Pattern OUTSIDE = Pattern.compile("<(?:\\w+:)?Relationship\\b[^>]*\\bTargetMode\\s*=\\s*[\"']External[\"'][^>]*>");
    private static final Pattern TARGET = Pattern.compile("\\bTarget\\s*=\\s*(?:\"([^\"]*)\"|'([^']*)')");
    private static final String NOWHERE = "about:blank";

    private final Set<String> others;
    private final Map<String, Integer> links = new TreeMap<>();
    private int fields;
    private int parts;

    private PassingLinks(Set<String> others) { this.others = others; }

    /**
     * The document with what may pass.
     *
     * @param others   schemes that pass besides the usual ones
     * @param findings told what was left out
     */
    public static Document of(Document document, Set<String> others, List<Finding> findings) {
        PassingLinks passing = new PassingLinks(others);
        Document result = passing.document(document);
        passing.links.forEach((scheme, count) -> findings.add(Link.Address.leftOut(scheme, count)));
        if (passing.fields > 0) findings.add(Finding.changed(Message.of("format.fields-that-would-fetch-or-start-something", passing.fields)));
        if (passing.parts > 0) findings.add(Finding.changed(Message.of("format.what-the-document-would-fetch-from-outside")));
        return result;
    }

    private Document document(Document document) {
        List<Section> sections = new ArrayList<>();
        boolean changed = false;
        for (Section section : document.sections()) {
            Map<Section.FramePlace, List<Block>> frames = new LinkedHashMap<>();
            boolean otherFrames = false;
            for (Map.Entry<Section.FramePlace, List<Block>> frame : section.frames().entrySet()) {
                List<Block> made = blocks(frame.getValue());
                otherFrames |= made != frame.getValue();
                frames.put(frame.getKey(), made);
            }
            List<Block> blocks = blocks(section.blocks());
            changed |= otherFrames || blocks != section.blocks();
            sections.add(otherFrames ? new Section(section.start(), section.page(), section.columns(), section.numbering(), frames,
                    section.firstPageDiffers(), blocks) : blocks == section.blocks() ? section : section.withBlocks(blocks));
        }
        List<Opaque.Part> kept = new ArrayList<>();
        for (Opaque.Part part : document.kept()) kept.add(part(part));
        Document result = changed ? document.withSections(sections) : document;
        return kept.equals(document.kept()) ? result : result.withKept(kept);
    }

    /** The same list where nothing in it changes. */
    private List<Block> blocks(List<Block> blocks) {
        List<Block> made = null;
        for (int i = 0; i < blocks.size(); i++) {
            Block one = block(blocks.get(i));
            if (one != blocks.get(i) && made == null) made = new ArrayList<>(blocks);
            if (made != null) made.set(i, one);
        }
        return made == null ? blocks : made;
    }

    private Block block(Block block) {
        if (block instanceof Paragraph paragraph) return paragraph(paragraph);
        if (block instanceof Contents contents) {
            List<Paragraph> entries = contents.entries().stream().map(this::paragraph).toList();
            return same(entries, contents.entries()) ? contents : new Contents(contents.fromLevel(), contents.toLevel(), entries);
        }
        if (block instanceof Table table) return table(table);
        if (block instanceof OpaqueBlock kept) {
            Opaque made = opaque(kept.opaque());
            return made == kept.opaque() ? kept : new OpaqueBlock(made);
        }
        return block;
    }

    private Table table(Table table) {
        List<Table.Row> rows = new ArrayList<>();
        for (Table.Row row : table.rows()) {
            List<Table.Cell> cells = new ArrayList<>();
            for (Table.Cell cell : row.cells()) {
                List<Block> made = blocks(cell.blocks());
                cells.add(made == cell.blocks() ? cell : cell.withBlocks(made));
            }
            rows.add(same(cells, row.cells()) ? row : new Table.Row(row.look(), cells));
        }
        return same(rows, table.rows()) ? table : new Table(table.look(), table.columns(), rows);
    }

    private static boolean same(List<?> some, List<?> others) {
        for (int i = 0; i < some.size(); i++) if (some.get(i) != others.get(i)) return false;
        return true;
    }

    private Paragraph paragraph(Paragraph paragraph) {
        List<Inline> inlines = new ArrayList<>();
        // One link often is several runs; it is told once.
        Link before = null;
        for (Inline inline : paragraph.inlines()) {
            Link link = inline.look().get(TextProperty.LINK);
            boolean out = link instanceof Link.Address address && !address.passes(others);
            if (out && !link.equals(before)) links.merge(((Link.Address) link).scheme(), 1, Integer::sum);
            before = link;
            inlines.add(inline(out ? inline.with(inline.look().without(TextProperty.LINK)) : inline));
        }
        return same(inlines, paragraph.inlines()) ? paragraph : paragraph.withInlines(inlines);
    }

    private Inline inline(Inline inline) {
        if (inline instanceof Inline.Note note) {
            List<Block> made = blocks(note.blocks());
            return made == note.blocks() ? note : new Inline.Note(note.kind(), made, note.mark(), note.look());
        }
        if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) {
            List<Block> made = blocks(box.blocks());
            return made == box.blocks() ? floating : new Inline.Floating(floating.anchor(), new TextBox(made, box.width(), box.height(), box.grows(),
                    box.padding(), box.border(), box.fill()), floating.look());
        }
        if (inline instanceof Inline.Field field && fetches(field)) {
            fields++;
            return new Inline.Text(field.result() == null ? "" : field.result(), field.look());
        }
        if (inline instanceof Inline.OpaqueInline kept) {
            Opaque made = opaque(kept.opaque());
            return made == kept.opaque() ? kept : new Inline.OpaqueInline(made, kept.look());
        }
        return inline;
    }

    private static boolean fetches(Inline.Field field) {
        return field.kind() == Inline.Field.Kind.OTHER && FETCHING.contains(field.instruction().trim().split("\\s+")[0].toUpperCase(Locale.ROOT));
    }

    /** Its markup names its parts, so that one that may not pass leads nowhere rather than missing. */
    private Opaque opaque(Opaque opaque) {
        Map<String, Opaque.Part> made = new LinkedHashMap<>();
        boolean changed = false;
        for (Map.Entry<String, Opaque.Part> entry : opaque.parts().entrySet()) {
            Opaque.Part part = part(entry.getValue());
            changed |= part != entry.getValue();
            made.put(entry.getKey(), part);
        }
        return changed ? new Opaque(opaque.family(), opaque.what(), opaque.source(), made, opaque.likeness()) : opaque;
    }

    private Opaque.Part part(Opaque.Part part) {
        if (part.bytes() == null) {
            if (mayPass(part.role(), part.name())) return part;
            return new Opaque.Part(NOWHERE, part.type(), part.role(), null);
        }
        if (!part.name().endsWith(".rels")) return part;
        String xml = new String(part.bytes(), StandardCharsets.UTF_8);
        Matcher relation = OUTSIDE.matcher(xml);
        StringBuilder made = new StringBuilder();
        boolean changed = false;
        while (relation.find()) {
            Matcher target = TARGET.matcher(relation.group());
            String address = !target.find() ? "" : target.group(1) != null ? target.group(1) : target.group(2);
            boolean passes = mayPass(relation.group().contains("/hyperlink") ? "hyperlink" : "", address);
            changed |= !passes;
            relation.appendReplacement(made, Matcher.quoteReplacement(passes ? relation.group() : TARGET.matcher(relation.group())
                    .replaceFirst("Target=\"" + NOWHERE + "\"")));
        }
        relation.appendTail(made);
        return changed ? new Opaque.Part(part.name(), part.type(), part.role(), made.toString().getBytes(StandardCharsets.UTF_8)) : part;
    }

    /** Links pass by their scheme; everything else that leads outside is fetched without being asked for. */
    private boolean mayPass(String role, String address) {
        if (address.equals(NOWHERE)) return true;
        Link.Address link = new Link.Address(address);
        if (!String.valueOf(role).endsWith("hyperlink")) parts++;
        else if (link.passes(others)) return true;
        else links.merge(link.scheme(), 1, Integer::sum);
        return false;
    }
}
