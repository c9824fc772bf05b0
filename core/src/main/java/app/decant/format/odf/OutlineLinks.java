package app.decant.format.odf;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Rewriting;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;

/**
 * Links that name a heading by its number and its words, as lists of contents of OpenDocument do where no bookmark stands at the heading (common practice:
 * {@code #1.2.Fares|outline}). The heading gets a bookmark, and they lead to it.
 */
final class OutlineLinks extends Rewriting {
    /** What such a name ends in. */
    static final String MARK = "|outline";
    private static final int LONGEST_NUMBER = 20;

    private final Map<Paragraph, String> headings = new IdentityHashMap<>();
    private final Map<String, String> names = new LinkedHashMap<>();

    private OutlineLinks() { }

    /** The very document where there is no such link. */
    static Document of(Document document) {
        Set<String> wanted = new LinkedHashSet<>();
        each(document, paragraph -> paragraph.inlines().forEach(inline -> {
            if (inline.look().get(TextProperty.LINK) instanceof Link.Inside link && link.bookmark().endsWith(MARK)) wanted.add(link.bookmark());
        }));
        if (wanted.isEmpty()) return document;
        OutlineLinks links = new OutlineLinks();
        links.find(document, wanted);
        return links.document(document);
    }

    private static void each(Document document, Consumer<Paragraph> one) { for (Section section : document.sections()) each(section.blocks(), one); }

    private static void each(List<? extends Block> blocks, Consumer<Paragraph> one) {
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) one.accept(paragraph);
            else if (block instanceof Contents contents) each(contents.entries(), one);
            else if (block instanceof Table table) for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) each(cell.blocks(), one);
        }
    }

    private void find(Document document, Set<String> wanted) {
        Cascade cascade = Cascade.of(document);
        ListLabels labels = ListLabels.of(document, cascade);
        List<Paragraph> all = new ArrayList<>();
        each(document, paragraph -> {
            if (cascade.outlineLevel(paragraph) > 0 && !paragraph.text().isBlank()) all.add(paragraph);
        });
        for (String name : wanted) {
            String said = plain(name.substring(0, name.length() - MARK.length()));
            Paragraph best = null;
            for (Paragraph heading : all) {
                String words = plain(heading.text());
                String number = said.endsWith(words) ? said.substring(0, said.length() - words.length()) : null;
                if (number == null || number.length() > LONGEST_NUMBER) continue;
                boolean same = number.equals(plain(labels.label(heading) == null ? "" : labels.label(heading)));
                if (best == null || same) best = heading;
                if (same) break;
            }
            if (best == null) continue;
            String target = headings.computeIfAbsent(best, heading -> "outline" + (headings.size() + 1));
            names.put(name, target);
        }
    }

    /** Letters and figures alone: stops and spaces are told now so, now otherwise. */
    private static String plain(String text) { return text.replaceAll("[^\\p{L}\\p{N}]+", ""); }

    @Override protected Paragraph paragraph(Paragraph told) {
        Paragraph paragraph = super.paragraph(told);
        String name = headings.get(told);
        if (name == null) return paragraph;
        List<Inline> inlines = new ArrayList<>(List.of(new Inline.BookmarkPoint(name, true)));
        inlines.addAll(paragraph.inlines());
        inlines.add(new Inline.BookmarkPoint(name, false));
        return paragraph.withInlines(inlines);
    }

    /** A name that no heading answers to is told as it was meant, without its mark. */
    @Override protected Inline inline(Inline told) {
        Inline inline = super.inline(told);
        if (!(inline.look().get(TextProperty.LINK) instanceof Link.Inside link) || !link.bookmark().endsWith(MARK)) return inline;
        String target = names.getOrDefault(link.bookmark(), link.bookmark().substring(0, link.bookmark().length() - MARK.length()));
        Look look = inline.look().with(TextProperty.LINK, new Link.Inside(target));
        return inline.with(look);
    }
}
