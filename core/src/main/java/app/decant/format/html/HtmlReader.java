package app.decant.format.html;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.Taken;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/** Reads web pages: the elements that mean something, and how the page's own style sheets dress them. Nothing is fetched. */
public final class HtmlReader {
    static final double SIZE = 11;
    static final double TEXT_WIDTH = 453.6;
    /** Of tables that are no elements, in points. */
    private static final double SPAN_COLUMN = 60.0;
    private static final int DEEPEST = 300;
    private static final Set<String> BLOCKS = Set.of("address", "article", "aside", "blockquote", "body", "center", "dd", "details", "div", "dl", "dt",
            "fieldset", "figcaption", "figure", "footer", "form", "h1", "h2", "h3", "h4", "h5", "h6", "header", "hr",
            "li", "main", "nav", "ol", "p", "pre", "section", "summary", "table", "ul");
    private static final Set<String> UNSEEN = Set.of("script", "style", "noscript", "template", "head", "title", "svg", "canvas", "iframe", "object",
            "video", "audio", "input", "select", "textarea", "button", "map");

    private final org.jsoup.nodes.Document page;
    private final StyleRules rules;
    private final List<Finding> findings = new ArrayList<>();
    private final Set<Message> told = new LinkedHashSet<>();
    private final Map<String, Numbering.Pattern> patterns = new LinkedHashMap<>();
    private final Map<String, Numbering.NumberedList> lists = new LinkedHashMap<>();
    private final Map<String, Element> notes = new HashMap<>();
    private final Map<String, String> titles = new HashMap<>();
    private final Progress progress;

    private HtmlReader(org.jsoup.nodes.Document page, Progress progress) {
        this.page = page;
        this.progress = progress;
        rules = new StyleRules(page);
        for (Element section : page.select("[role=doc-endnotes]")) {
            for (Element note : section.select("li[id]")) notes.put(note.id(), note);
            if (!notes.isEmpty()) section.remove();
        }
    }

    /** Reads a page. */
    public static Taken read(byte[] file, String name, Progress progress) {
        try {
            return new HtmlReader(Jsoup.parse(new ByteArrayInputStream(file), null, ""), progress).document();
        } catch (DecantException e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("html.cannot-be-read-as-a-web-page", name), e);
        }
    }

    /** Reads markup that stands for another format. */
    static Taken read(String html, Progress progress) { return new HtmlReader(Jsoup.parse(html), progress).document(); }

    private Taken document() {
        for (Element heading : page.select("[id]")) titles.putIfAbsent(heading.id(), heading.text());
        List<Block> blocks = new ArrayList<>();
        boolean turned = isTurned(page.body()) || isTurned(page.body().parent());
        Look paragraph = turned ? Look.of(ParagraphProperty.RIGHT_TO_LEFT, true) : Look.PLAIN;
        Filling filling = new Filling(blocks, new HtmlContext(Look.PLAIN, paragraph, null, null, false, 0));
        HtmlContext body = filling.context.text(StyleValues.text(rules.of(page.body()), SIZE).without(TextProperty.FAMILY).without(TextProperty.SIZE));
        children(page.body(), body, filling);
        filling.end();
        Facts facts = new Facts(page.title().isBlank() ? null : page.title(), meta("description"), meta("author"), meta("keywords"), page.select("html")
                .attr("lang").isBlank() ? null : page.select("html").attr("lang"), null, null, Map.of());
        Document document = new Document(facts, styles(), new Numbering(patterns, lists),
                List.of(Section.PLAIN.withBlocks(blocks.isEmpty() ? List.of(Paragraph.of("")) : blocks)), false, Document.TAB_WIDTH, List.of());
        return new Taken(document, findings);
    }

    private String meta(String name) {
        String content = page.select("meta[name=" + name + "]").attr("content");
        return content.isBlank() ? null : content;
    }

    private void tell(Message what) { if (told.add(what)) findings.add(Finding.lost(what)); }

    /** What the page says of its body, then what browsers do by themselves (HTML, 15.3). */
    private StyleSheet styles() {
        Map<String, String> body = rules.of(page.body());
        Look text = StyleValues.text(body, SIZE);
        Look defaults = Look.of(TextProperty.FAMILY, text.get(TextProperty.FAMILY, "Liberation Serif"))
                .with(TextProperty.SIZE, text.get(TextProperty.SIZE, SIZE));
        Map<String, Style> styles = new LinkedHashMap<>();
        double[] sizes = {20, 16, 13, 12, 11, 11};
        styles.put("Text", new Style("Text", "Normal", Style.Kind.PARAGRAPH, null, null, Look.of(ParagraphProperty.SPACE_AFTER, 8.0)
                .with(ParagraphProperty.WIDOW_CONTROL, true)));
        for (int i = 1; i <= 6; i++) {
            styles.put("Heading" + i, new Style("Heading" + i, "heading " + i, Style.Kind.PARAGRAPH, null, "Text", Look.of(TextProperty.SIZE, sizes[i - 1])
                    .with(TextProperty.BOLD, true).with(ParagraphProperty.OUTLINE_LEVEL, i).with(ParagraphProperty.SPACE_BEFORE, 12.0)
                    .with(ParagraphProperty.SPACE_AFTER, 6.0).with(ParagraphProperty.KEEP_WITH_NEXT, true)));
        }
        styles.put("Quote", new Style("Quote", "Quote", Style.Kind.PARAGRAPH, "Text", "Text", Look.of(ParagraphProperty.INDENT_START, 24.0)
                .with(ParagraphProperty.INDENT_END, 24.0)));
        styles.put("Preformatted", new Style("Preformatted", "Preformatted", Style.Kind.PARAGRAPH, null, null, Look.of(TextProperty.FAMILY, "Liberation Mono")
                .with(TextProperty.SIZE, 10.0).with(ParagraphProperty.SPACE_AFTER, 8.0)));
        styles.put("ListItem", new Style("ListItem", "List Paragraph", Style.Kind.PARAGRAPH, "Text", null, Look.of(ParagraphProperty.SPACE_AFTER, 3.0)));
        styles.put("Cell", new Style("Cell", "Cell", Style.Kind.PARAGRAPH, null, null, Look.PLAIN));
        styles.put("NoteText", new Style("NoteText", "footnote text", Style.Kind.PARAGRAPH, null, null, Look.of(TextProperty.SIZE, 9.0)));
        return new StyleSheet(defaults, "Text", null, styles);
    }

    void children(Element parent, HtmlContext context, Filling filling) {
        if (context.depth() > DEEPEST) {
            tell(Message.of("html.the-page-nests-deeper-than-any-real"));
            return;
        }
        for (Node node : parent.childNodes()) {
            progress.step(0, 0, Message.of("step.reading"));
            if (node instanceof TextNode text) filling.text(text.getWholeText(), context.text(), context.spaces());
            else if (node instanceof Element element) element(element, context.inner(), filling);
        }
    }

    private void element(Element element, HtmlContext context, Filling filling) {
        String name = element.normalName();
        if (UNSEEN.contains(name)) {
            if (Set.of("svg", "canvas", "iframe", "object", "video", "audio").contains(name))
                tell(Message.of("html.moving-pictures-drawings-and-frames"));
            return;
        }
        Map<String, String> css = rules.of(element);
        if (isHidden(element, css)) return;
        if (!element.id().isEmpty() && !notes.containsKey(element.id())) filling.inlines.add(new Inline.BookmarkPoint(element.id(), true));
        boolean block = BLOCKS.contains(name) || "block".equals(css.get("display")) && !name.equals("span") && !name.equals("img");
        if (block) block(element, name, css, context, filling);
        else inline(element, name, css, context, filling);
        if (!element.id().isEmpty() && !block && !notes.containsKey(element.id())) filling.inlines.add(new Inline.BookmarkPoint(element.id(), false));
    }

    /** Whether its text runs from the right (HTML, 3.2.6.4). */
    private static boolean isTurned(Element element) { return element != null && element.attr("dir").equalsIgnoreCase("rtl"); }

    private static boolean isHidden(Element element, Map<String, String> css) { return "none".equals(css.get("display")) || element.hasAttr("hidden"); }

    private void block(Element element, String name, Map<String, String> css, HtmlContext context, Filling filling) {
        List<Inline> marks = new ArrayList<>(filling.inlines.stream().filter(inline -> inline instanceof Inline.BookmarkPoint).toList());
        if (filling.inlines.stream().allMatch(inline -> inline instanceof Inline.BookmarkPoint)) filling.inlines.clear();
        else marks.removeIf(mark -> !((Inline.BookmarkPoint) mark).name().equals(element.id()));
        filling.inlines.removeIf(inline -> marks.contains(inline));
        filling.end();
        switch (name) {
            case "table" -> new HtmlTable(this, rules).put(element, context, filling);
            case "ul", "ol" -> list(element, name, context, filling);
            case "hr" -> filling.blocks.add(new Paragraph("Text", Look.of(ParagraphProperty.BORDERS,
                    new Borders(null, null, Border.single(0.75, new Colour(0x808080)), null, null, null)), Look.PLAIN, List.of()));
            case "nav" -> {
                if (element.attr("role").equals("doc-toc")) contents(element, context, filling);
                else plain(element, name, css, context, filling, marks);
            }
            default -> plain(element, name, css, context, filling, marks);
        }
    }

    private void plain(Element element, String name, Map<String, String> css, HtmlContext context, Filling filling, List<Inline> marks) {
        HtmlContext before = filling.context;
        String style = switch (name) {
            case "h1", "h2", "h3", "h4", "h5", "h6" -> "Heading" + name.charAt(1);
            case "blockquote" -> "Quote";
            case "pre" -> "Preformatted";
            default -> context.style();
        };
        boolean holder = Set.of("div", "section", "article", "main", "body", "header", "footer", "aside", "form", "figure", "fieldset", "details", "nav",
                "center").contains(name);
        double size = context.size();
        Look text = StyleValues.text(css, size);
        Look paragraph = StyleValues.paragraph(css, text.get(TextProperty.SIZE, size));
        // Margins and borders of what only holds others together are not those of each paragraph in it.
        if (holder) paragraph = Look.PLAIN.with(ParagraphProperty.ALIGNMENT, paragraph.get(ParagraphProperty.ALIGNMENT));
        if (name.equals("center")) paragraph = paragraph.with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE);
        if (element.hasAttr("align") && !paragraph.says(ParagraphProperty.ALIGNMENT))
            paragraph = StyleValues.paragraph(Map.of("text-align", element.attr("align").toLowerCase(Locale.ROOT)), size).over(paragraph);
        if (isTurned(element)) paragraph = paragraph.with(ParagraphProperty.RIGHT_TO_LEFT, true);
        boolean spaces = name.equals("pre") || css.getOrDefault("white-space", "").startsWith("pre") || context.spaces();
        HtmlContext own = new HtmlContext(text.over(context.text()), paragraph.over(context.paragraph()), style, context.list(), spaces, context.depth());
        if (name.equals("dd")) own = new HtmlContext(own.text(), own.paragraph().with(ParagraphProperty.INDENT_START, 24.0), style, own.list(), spaces,
                own.depth());
        filling.context = own;
        filling.inlines.addAll(marks);
        if (name.equals("pre")) {
            String code = element.wholeText().replaceFirst("^\n", "").replaceFirst("\n$", "");
            filling.text(code, own.text(), true);
        } else {
            children(element, own, filling);
        }
        for (Inline mark : marks) if (!filling.inlines.isEmpty()) filling.inlines.add(new Inline.BookmarkPoint(((Inline.BookmarkPoint) mark).name(), false));
        filling.end();
        filling.context = before;
    }

    private void contents(Element nav, HtmlContext context, Filling filling) {
        List<Block> entries = new ArrayList<>();
        Filling own = new Filling(entries, filling.context);
        children(nav, context, own);
        own.end();
        Map<Paragraph, String> listed = new IdentityHashMap<>();
        String headings = new Contents(1, 3, List.of()).field();
        for (Block entry : entries) if (entry instanceof Paragraph paragraph) listed.put(paragraph, headings);
        filling.blocks.addAll(Contents.grouped(entries, listed));
    }

    private void list(Element element, String name, HtmlContext context, Filling filling) {
        HtmlContext before = filling.context;
        int level = context.list() == null ? 0 : Math.min(8, context.list().level() + 1);
        String id = "L" + (lists.size() + 1);
        Numbering.Level own = level(element, name, level);
        List<Numbering.Level> levels = new ArrayList<>();
        for (int i = 0; i < 9; i++)
            levels.add(i == level ? own : new Numbering.Level(NumberFormat.NONE, 1, "", Numbering.Suffix.NOTHING, null, null, Look.PLAIN));
        patterns.put(id, new Numbering.Pattern(id, levels));
        lists.put(id, new Numbering.NumberedList(id, id, Map.of(), Map.of()));
        for (Element item : element.children()) {
            if (!item.normalName().equals("li")) {
                element(item, context.inner(), filling);
                continue;
            }
            Map<String, String> css = rules.of(item);
            if (isHidden(item, css)) continue;
            if (name.equals("ol") && item.attr("value").matches("\\d{1,6}")) {
                // The same numbers, from another one on (HTML, 4.4.8).
                String pattern = lists.get(id).pattern();
                id = "L" + (lists.size() + 1);
                lists.put(id, new Numbering.NumberedList(id, pattern, Map.of(level, Integer.parseInt(item.attr("value"))), Map.of()));
            }
            Look text = StyleValues.text(css, context.size());
            Look paragraph = StyleValues.paragraph(css, context.size()).without(ParagraphProperty.INDENT_START).without(ParagraphProperty.FIRST_LINE);
            if (isTurned(item) || isTurned(element) || context.paragraph().is(ParagraphProperty.RIGHT_TO_LEFT))
                paragraph = paragraph.with(ParagraphProperty.RIGHT_TO_LEFT, true);
            HtmlContext inner = new HtmlContext(text.over(context.text()), paragraph, "ListItem", new ParagraphProperty.ListReference(id, level),
                    context.spaces(), context.depth() + 1);
            filling.end();
            filling.context = inner;
            filling.listed = false;
            if (!item.id().isEmpty()) filling.inlines.add(new Inline.BookmarkPoint(item.id(), true));
            // A label that stands in the text because browsers would not show it is the list's.
            Element first = item.firstElementChild();
            if (element.hasAttr("data-label") && first != null && first.normalName().equals("span") && first.hasClass("number")) first.remove();
            int present = filling.blocks.size();
            children(item, inner, filling);
            filling.end();
            // Its mark is seen though nothing stands behind it.
            if (filling.blocks.size() == present && own.format() != NumberFormat.NONE) filling.empty();
        }
        filling.context = before;
        filling.listed = before.list() != null;
    }

    private Numbering.Level level(Element element, String name, int level) {
        double indent = 18.0 * (level + 1);
        Look look = Look.of(ParagraphProperty.INDENT_START, indent).with(ParagraphProperty.FIRST_LINE, -14.0);
        String label = element.hasAttr("data-label") ? element.attr("data-label") : null;
        if (name.equals("ul")) {
            boolean none = rules.of(element).getOrDefault("list-style", rules.of(element).getOrDefault("list-style-type", "")).startsWith("none");
            String bullet = label != null ? label : HtmlBody.SIGNS.get(level % HtmlBody.SIGNS.size());
            return new Numbering.Level(none ? NumberFormat.NONE : NumberFormat.BULLET, 1, none ? label == null ? "" : label : bullet, Numbering.Suffix.TAB,
                    null, null, look);
        }
        NumberFormat format = switch (element.attr("type")) {
            case "a" -> NumberFormat.LOWER_LETTER;
            case "A" -> NumberFormat.UPPER_LETTER;
            case "i" -> NumberFormat.LOWER_ROMAN;
            case "I" -> NumberFormat.UPPER_ROMAN;
            default -> NumberFormat.DECIMAL;
        };
        int start = element.attr("start").matches("\\d{1,6}") ? Integer.parseInt(element.attr("start")) : 1;
        String told = label == null ? "%" + (level + 1) + "." : label;
        return new Numbering.Level(format, start, told, Numbering.Suffix.TAB, null, null, look.with(ParagraphProperty.FIRST_LINE, -18.0));
    }

    private void inline(Element element, String name, Map<String, String> css, HtmlContext context, Filling filling) {
        switch (name) {
            case "br" -> filling.inlines.add(new Inline.Text(String.valueOf(Inline.LINE_BREAK), context.text()));
            case "math" -> filling.inlines.add(MathElement.read(element, context.text()));
            case "img" -> HtmlPicture.put(element, css, context, filling, this::tell);
            case "a" -> {
                if (note(element, context, filling)) return;
                if (element.attr("role").equals("doc-backlink")) return;
                String target = element.attr("href").strip();
                Look look = StyleValues.text(css, context.size());
                if (target.startsWith("#") && target.length() > 1) look = look.with(TextProperty.LINK, new Link.Inside(target.substring(1)));
                else if (!target.isEmpty()) look = look.with(TextProperty.LINK, new Link.Address(target));
                children(element, context.text(look), filling);
            }
            case "rt" -> {
                // What stands small above its base is set in brackets behind it; many pages bring the brackets themselves, as rp.
                boolean brackets = element.parent() == null || element.parent().selectFirst("rp") == null;
                if (brackets) filling.text("(", context.text(), true);
                children(element, context, filling);
                if (brackets) filling.text(")", context.text(), true);
            }
            case "q" -> {
                filling.text("\u201C", context.text(), true);
                children(element, context, filling);
                filling.text("\u201D", context.text(), true);
            }
            default -> {
                if (element.attr("role").equals("note") && element.hasClass("box")) {
                    box(element, css, context, filling);
                    return;
                }
                if (name.equals("sup") && element.childNodeSize() == 1 && element.children().size() == 1 && element.child(0).attr("role")
                        .equals("doc-noteref") && note(element.child(0), context, filling)) return;
                Look look = StyleValues.text(css, context.size()).over(meaning(name, context));
                Colour behind = StyleValues.background(css);
                if (behind != null) look = look.with(TextProperty.HIGHLIGHT, behind);
                if (name.equals("font") && element.hasAttr("color") && StyleValues.colour(element.attr("color")) != null)
                    look = look.with(TextProperty.COLOUR, StyleValues.colour(element.attr("color")));
                if (name.equals("font") && element.hasAttr("face")) look = look.with(TextProperty.FAMILY, element.attr("face").split(",")[0].strip());
                boolean apart = "block".equals(css.get("display"));
                if (apart && !filling.endsInSpace()) filling.inlines.add(new Inline.Text(String.valueOf(Inline.LINE_BREAK), context.text()));
                children(element, context.text(look), filling);
            }
        }
    }

    /** Words set apart at a side: each line of them a paragraph of its own. */
    private void box(Element element, Map<String, String> css, HtmlContext context, Filling filling) {
        List<Block> blocks = lines(element, context);
        Double width = StyleValues.length(css.get("width"), context.size());
        Borders borders = StyleValues.borders(css, context.size());
        Border border = borders == null || borders.top() == null ? Border.NONE : borders.top();
        Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, "right".equals(css.get("float")) ? Alignment.END : Alignment.START,
                0), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0), Anchor.Wrap.SQUARE, new Insets(0, 9, 0, 9), false);
        filling.inlines.add(new Inline.Floating(anchor, new TextBox(blocks, width == null ? 150 : width, 20, true, new Insets(3.6, 7.2, 3.6, 7.2), border,
                StyleValues.background(css)), context.text()));
    }

    private List<Block> lines(Element element, HtmlContext context) {
        List<Block> blocks = new ArrayList<>();
        for (Element line : element.children()) {
            if (line.hasClass("table")) {
                rows(line, context).ifPresent(blocks::add);
                continue;
            }
            Filling own = new Filling(blocks, new HtmlContext(Look.PLAIN, Look.PLAIN, "Cell", null, false, context.depth() + 1));
            int before = blocks.size();
            children(line, own.context, own);
            own.end();
            if (blocks.size() == before) blocks.add(new Paragraph("Cell", Look.PLAIN, Look.PLAIN, List.of()));
        }
        return blocks;
    }

    /** A table of spans, as one stands in a box within a paragraph; empty where it has no cells. */
    private Optional<Table> rows(Element element, HtmlContext context) {
        List<Table.Row> rows = new ArrayList<>();
        int most = 0;
        for (Element row : element.children()) {
            List<Table.Cell> cells = new ArrayList<>();
            for (Element cell : row.children()) {
                List<Block> blocks = lines(cell, context);
                cells.add(new Table.Cell(cells.size(), 1, 1, Look.PLAIN, blocks.isEmpty() ? List.of(Paragraph.of("")) : blocks));
            }
            most = Math.max(most, cells.size());
            if (!cells.isEmpty()) rows.add(new Table.Row(Look.PLAIN, cells));
        }
        return most == 0 ? Optional.empty() : Optional.of(new Table(Look.PLAIN, Collections.nCopies(most, SPAN_COLUMN), rows));
    }

    private static Look meaning(String name, HtmlContext context) {
        return switch (name) {
            case "b", "strong" -> Look.of(TextProperty.BOLD, true);
            case "i", "em", "cite", "var", "dfn" -> Look.of(TextProperty.ITALIC, true);
            case "u", "ins" -> Look.of(TextProperty.UNDERLINE, TextProperty.Underline.SINGLE);
            case "s", "del", "strike" -> Look.of(TextProperty.STRIKE, true);
            case "sup" -> Look.of(TextProperty.SCRIPT, TextProperty.Script.SUPER);
            case "sub" -> Look.of(TextProperty.SCRIPT, TextProperty.Script.SUB);
            case "code", "kbd", "samp", "tt" -> Look.of(TextProperty.FAMILY, "Liberation Mono");
            case "mark" -> Look.of(TextProperty.HIGHLIGHT, new Colour(0xFFFF00));
            case "small" -> Look.of(TextProperty.SIZE, Math.round(context.size() * 8.3) / 10.0);
            case "big" -> Look.of(TextProperty.SIZE, Math.round(context.size() * 12) / 10.0);
            default -> Look.PLAIN;
        };
    }

    /** A reference to a note that is on the page becomes the note. */
    private boolean note(Element element, HtmlContext context, Filling filling) {
        String target = element.attr("href");
        if (!element.attr("role").equals("doc-noteref") || !target.startsWith("#") || !notes.containsKey(target.substring(1))) return false;
        Element note = notes.get(target.substring(1));
        if (context.depth() > DEEPEST / 2) return false;
        List<Block> blocks = new ArrayList<>();
        Filling own = new Filling(blocks, new HtmlContext(Look.PLAIN, Look.PLAIN, "NoteText", null, false, context.depth() + 10));
        children(note, own.context, own);
        own.end();
        String mark = element.text().matches("\\d+") ? null : element.text();
        // The mark inside the note is the list's on a page; paper needs it written.
        if (!blocks.isEmpty() && blocks.get(0) instanceof Paragraph first) {
            List<Inline> marked = new ArrayList<>(List.of(new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "",
                    Look.of(TextProperty.SCRIPT, TextProperty.Script.SUPER)), new Inline.Text(" ", Look.PLAIN)));
            marked.addAll(first.inlines());
            blocks.set(0, first.withInlines(marked));
        }
        filling.inlines.add(new Inline.Note(Inline.Note.Kind.FOOTNOTE, blocks, mark, context.text().with(TextProperty.SCRIPT, TextProperty.Script.SUPER)));
        return true;
    }
}
