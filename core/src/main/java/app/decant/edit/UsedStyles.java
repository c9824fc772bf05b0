package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** Tidies a document's styles: those that nothing wears go, and passages say no more what their style says anyway. Nothing looks otherwise for it. */
public final class UsedStyles {
    /** What is more than a look, or adds up with what lies below. */
    private static final Set<Property<?>> KEPT = Set.of(ParagraphProperty.LIST, ParagraphProperty.TABS, ParagraphProperty.INDENT_START,
            ParagraphProperty.INDENT_END, ParagraphProperty.FIRST_LINE, TextProperty.STYLE, TextProperty.LINK, TextProperty.LANGUAGE);

    private final Document document;
    private final Set<String> used = new HashSet<>();

    private UsedStyles(Document document) { this.document = document; }

    /**
     * What tidying does.
     *
     * @param styles how many go
     * @param looks  how many passages say less of their own
     */
    public record Tidied(Change change, int styles, int looks) { }

    /** Tidies a document. */
    public static Tidied tidy(Document document, Selection picked) {
        Draft draft = new Draft(document, picked);
        Cascade cascade = Cascade.of(document);
        int[] looks = new int[1];
        Set<Paragraph> inTables = inTables(document);
        Styles.dress(draft, paragraph -> {
            // In a table, what lies below is the table's to say.
            if (inTables.contains(paragraph)) return paragraph;
            Paragraph made = plainer(paragraph, cascade);
            if (!made.equals(paragraph)) looks[0]++;
            return made;
        });
        UsedStyles styles = new UsedStyles(draft.document());
        StyleSheet kept = styles.kept();
        int gone = document.styles().styles().size() - kept.styles().size();
        if (gone > 0) draft.add(new StyleStep(kept, document.numbering()));
        return new Tidied(draft.done(EditKind.STYLE, picked), gone, looks[0]);
    }

    private static Set<Paragraph> inTables(Document document) {
        Set<Paragraph> found = Collections.newSetFromMap(new IdentityHashMap<>());
        for (Section section : document.sections()) {
            inTables(section.blocks(), false, found);
            for (List<Block> frame : section.frames().values()) inTables(frame, false, found);
        }
        return found;
    }

    private static void inTables(Collection<? extends Block> blocks, boolean within, Set<Paragraph> found) {
        for (Block block : blocks) {
            if (block instanceof Table table) for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) inTables(cell.blocks(), true, found);
            if (!(block instanceof Paragraph paragraph)) continue;
            if (within) found.add(paragraph);
            for (Inline inline : paragraph.inlines()) {
                if (inline instanceof Inline.Note note) inTables(note.blocks(), within, found);
                if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) inTables(box.blocks(), within, found);
            }
        }
    }

    private static Paragraph plainer(Paragraph paragraph, Cascade cascade) {
        Look look = paragraph.look();
        for (Property<?> property : paragraph.look().properties()) {
            Paragraph less = paragraph.withLook(look.without(property));
            if (!KEPT.contains(property) && Objects.equals(cascade.paragraph(less).get(property), look.get(property))) look = less.look();
        }
        return new Paragraph(paragraph.style(), look, plainer(paragraph, paragraph.mark(), cascade),
                paragraph.inlines().stream().map(inline -> inline.with(plainer(paragraph, inline.look(), cascade))).toList());
    }

    private static Look plainer(Paragraph paragraph, Look own, Cascade cascade) {
        Look look = own;
        for (Property<?> property : own.properties()) {
            Look less = look.without(property);
            if (!KEPT.contains(property) && Objects.equals(cascade.text(paragraph, less).get(property), own.get(property))) look = less;
        }
        return look;
    }

    private StyleSheet kept() {
        StyleSheet styles = document.styles();
        for (Section section : document.sections()) {
            look(section.blocks());
            section.frames().values().forEach(this::look);
        }
        used.addAll(inLists(document.numbering()));
        use(styles.defaultParagraph());
        use(styles.defaultTable());
        for (int before = -1; before != used.size(); ) {
            before = used.size();
            for (String id : List.copyOf(used)) {
                Style style = styles.style(id);
                if (style == null) continue;
                use(style.parent());
                use(style.next());
            }
        }
        Map<String, Style> kept = new LinkedHashMap<>(styles.styles());
        kept.keySet().retainAll(used);
        return new StyleSheet(styles.defaults(), styles.defaultParagraph(), styles.defaultTable(), kept);
    }

    /** The styles that levels of lists are tied to. */
    static Set<String> inLists(Numbering numbering) {
        Set<String> tied = new HashSet<>();
        numbering.patterns().values().forEach(pattern -> pattern.levels().forEach(level -> tied.add(level.style())));
        numbering.lists().values().forEach(list -> list.changed().values().forEach(level -> tied.add(level.style())));
        tied.remove(null);
        return tied;
    }

    private void use(String id) { if (id != null) used.add(id); }

    private void look(Collection<? extends Block> blocks) {
        for (Block block : blocks) {
            if (block instanceof Contents contents) look(contents.entries());
            if (block instanceof Table table) {
                use(table.look().get(TableProperty.STYLE));
                for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) look(cell.blocks());
            }
            if (block instanceof Paragraph paragraph) look(paragraph);
        }
    }

    private void look(Paragraph paragraph) {
        use(paragraph.style());
        use(paragraph.mark().get(TextProperty.STYLE));
        for (Inline inline : paragraph.inlines()) {
            use(inline.look().get(TextProperty.STYLE));
            if (inline instanceof Inline.Note note) look(note.blocks());
            if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) look(box.blocks());
        }
    }
}
