package app.decant.recover.made;

import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty;
import app.decant.pdf.read.SourceFile;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.ContentsEntry;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The places that links and contents entries lead to: puts bookmarks on the paragraphs there, and makes the entries' page numbers live. */
public final class LinkMarks {
    private final Map<Para, List<String>> names = new IdentityHashMap<>();
    private final Map<String, Para> headings = new HashMap<>();
    private final Map<Para, String> contentsNames = new IdentityHashMap<>();
    private final List<Double> indents = new ArrayList<>();

    public LinkMarks(List<Para> paras, Map<String, SourceFile.Target> targets) {
        Map<Integer, List<Para>> byPage = new HashMap<>();
        for (Para para : paras) byPage.computeIfAbsent(para.page(), key -> new ArrayList<>()).add(para);
        targets.forEach((name, target) -> {
            Para best = null;
            double nearest = Double.MAX_VALUE;
            for (Para para : byPage.getOrDefault(target.page(), List.of())) {
                double away = para.first().top() - target.top();
                double distance = away >= -8 ? away : -away * 4;
                if (distance < nearest) {
                    nearest = distance;
                    best = para;
                }
            }
            if (best != null) names.computeIfAbsent(best, key -> new ArrayList<>()).add(name);
        });
        for (Para para : paras) if (para.headingLevel() > 0) headings.putIfAbsent(key(para.text()), para);
        int count = 0;
        for (Para para : paras) {
            if (!para.isContentsEntry()) continue;
            indents.add(para.first().left());
            Para heading = heading(para);
            if (heading != null && !contentsNames.containsKey(heading)) {
                String name = "_Toc" + (1000 + ++count);
                contentsNames.put(heading, name);
                names.computeIfAbsent(heading, key -> new ArrayList<>()).add(name);
            }
        }
    }

    private Para heading(Para entry) {
        ContentsEntry parts = ContentsEntry.amongOthers(entry.text());
        return parts == null ? null : headings.get(key(parts.title()));
    }

    private static String key(String text) { return text.replaceAll("[\\s\u00AD]+", "").toLowerCase(Locale.ROOT); }

    /** The paragraph with the bookmarks that lead to it. */
    Paragraph marked(Paragraph paragraph, Para para, Map<Paragraph, Para> origins) {
        List<String> own = names.get(para);
        if (own == null) return paragraph;
        List<Inline> inlines = new ArrayList<>();
        for (String name : own) inlines.add(new Inline.BookmarkPoint(name, true));
        inlines.addAll(paragraph.inlines());
        for (String name : own) inlines.add(new Inline.BookmarkPoint(name, false));
        Paragraph result = paragraph.withInlines(inlines);
        origins.put(result, para);
        return result;
    }

    /** A contents entry: its title, a leader to the right edge, and the number of its heading's page. */
    Paragraph entry(Para para, Paragraph plain, Flow flow) {
        ContentsEntry parts = ContentsEntry.amongOthers(para.text());
        Para heading = heading(para);
        String mark = heading == null ? null : contentsNames.get(heading);
        Look look = Look.PLAIN;
        for (Inline inline : plain.inlines()) {
            if (inline instanceof Inline.Text run && !run.text().isBlank()) {
                look = run.look().without(TextProperty.LETTER_SPACING);
                break;
            }
        }
        Look linked = mark == null ? look : look.with(TextProperty.LINK, new Link.Inside(mark));
        boolean drawn = para.lines().stream().anyMatch(line -> line.chunks().stream().anyMatch(Chunk::isBlank));
        boolean dots = drawn || para.text().matches("(?s).*[.·…]\\s?[.·…].*") || para.text().contains("…");
        List<Inline> inlines = new ArrayList<>();
        inlines.add(new Inline.Text(parts.title() + Inline.TAB, linked));
        inlines.add(mark == null ? new Inline.Text(parts.page(), look) : new Inline.Field(Inline.Field.Kind.PAGE_REFERENCE, "PAGEREF " + mark + " \\h",
                parts.page(), linked));
        List<TabStop> stops = new ArrayList<>();
        int tab = parts.title().indexOf(Inline.TAB);
        if (tab >= 0 && para.first().chunks().size() > 1)
            stops.add(new TabStop(BlockMaker.rounded(para.first().chunks().get(1).left() - flow.left), TabStop.Kind.START, TabStop.Leader.NONE));
        stops.add(new TabStop(BlockMaker.rounded(para.last().right() - flow.left), TabStop.Kind.END, dots ? TabStop.Leader.DOTS : TabStop.Leader.NONE));
        Look placed = plain.look().with(ParagraphProperty.TABS, new TabStops(stops)).with(ParagraphProperty.ALIGNMENT, ParagraphProperty.Alignment.START)
                .without(ParagraphProperty.INDENT_END).with(ParagraphProperty.INDENT_START, BlockMaker.rounded(para.first().left() - flow.left));
        int level = heading != null ? heading.headingLevel() : 1 + (int) indents.stream().map(indent -> Math.round(indent / 3)).distinct()
                .filter(indent -> indent < Math.round(para.first().left() / 3)).count();
        return new Paragraph(StandardStyle.ofContents(level).id(), placed, look, inlines);
    }
}
