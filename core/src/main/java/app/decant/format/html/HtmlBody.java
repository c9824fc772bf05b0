package app.decant.format.html;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.format.formula.FormulaPictures;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;

/** Blocks as markup: headings, lists, tables and notes by the elements that mean them. */
final class HtmlBody {
    private final Document document;
    private final Cascade cascade;
    /** What browsers put before items, level by level. */
    static final List<String> SIGNS = List.of("\u2022", "\u25E6", "\u25AA");

    private final ListLabels labels;
    private final HtmlLooks looks;
    private final Function<Picture, String> sources;
    private final Function<String, String> targets;
    private final Set<String> lost = new LinkedHashSet<>();
    private final List<Inline.Note> notes = new ArrayList<>();
    private int noteBase;
    private Markup out = new Markup();

    /**
     * @param sources gives the address of a picture, or null where it can't be shown
     * @param targets gives the address of a place in the document
     */
    HtmlBody(Document document, HtmlLooks looks, Function<Picture, String> sources, Function<String, String> targets) {
        this.document = document;
        this.looks = looks;
        this.sources = sources;
        this.targets = targets;
        cascade = Cascade.of(document);
        labels = ListLabels.of(document, cascade);
    }

    Set<String> lost() { return lost; }

    /** The markup of blocks, their notes behind them. */
    String markup(List<? extends Block> blocks) {
        out = new Markup();
        noteBase += notes.size();
        notes.clear();
        blocks(blocks, Look.PLAIN);
        notes();
        return out.toString();
    }

    private void notes() {
        if (notes.isEmpty()) return;
        out.open("section", "class", "notes", "role", "doc-endnotes").open("ol", "start", noteBase == 0 ? null : String.valueOf(noteBase + 1)).line();
        // Notes may hold notes, so the list can grow.
        for (int i = 0; i < notes.size(); i++) {
            int number = noteBase + i + 1;
            out.open("li", "id", "note-" + number);
            blocks(notes.get(i).blocks(), Look.PLAIN);
            out.open("a", "href", "#mark-" + number, "role", "doc-backlink").text("\u21A9").close().close().line();
        }
        out.close().close().line();
    }

    private ParagraphProperty.ListReference list(Block block) {
        if (!(block instanceof Paragraph paragraph) || cascade.outlineLevel(paragraph) > 0) return null;
        ParagraphProperty.ListReference list = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        return list == null || list.list() == null || document.numbering().level(list) == null || labels.label(paragraph) == null ? null : list;
    }

    private void blocks(List<? extends Block> blocks, Look table) {
        for (int i = 0; i < blocks.size(); i++) {
            Block block = blocks.get(i);
            if (list(block) != null) {
                int to = i;
                while (to < blocks.size() && list(blocks.get(to)) != null) to++;
                list(blocks.subList(i, to), table);
                i = to - 1;
            } else if (block instanceof Paragraph paragraph) {
                paragraph(paragraph, table);
            } else if (block instanceof Contents contents) {
                boolean nav = contents.listsHeadings();
                if (nav) out.open("nav", "role", "doc-toc").line();
                for (Paragraph entry : contents.entries()) paragraph(entry, table);
                if (nav) out.close().line();
            } else if (block instanceof Table one) {
                table(one);
            } else if (block instanceof OpaqueBlock) {
                lost.add("opaque");
            }
        }
    }

    /** List items of any depth, one list inside the other. */
    private void list(List<? extends Block> items, Look table) {
        List<String> open = new ArrayList<>();
        List<Integer> counts = new ArrayList<>();
        for (Block block : items) {
            Paragraph paragraph = (Paragraph) block;
            ParagraphProperty.ListReference reference = list(paragraph);
            Numbering.Level level = document.numbering().level(reference);
            ItemLabel label = ItemLabel.of(level, reference.level(), labels.label(paragraph));
            String kind = reference.list() + "/" + reference.level() + "/" + label.kind();
            int depth = reference.level();
            while (open.size() > depth + 1 || open.size() == depth + 1 && !open.get(depth).equals(kind)) closeList(open, counts);
            if (open.size() == depth + 1) out.close().line();
            while (open.size() <= depth) {
                boolean own = open.size() == depth;
                openList(own ? level : null, label, open.size());
                counts.add(label.count() - 1);
                open.add(own ? kind : reference.list() + "/" + open.size());
                if (!own) out.open("li");
            }
            boolean expected = label.count() == counts.get(depth) + 1;
            counts.set(depth, label.count());
            String style = blank((label.isShown() ? "list-style: none; " : "") + looks.paragraph(paragraph, table));
            out.open("li", "value", expected || label.kind() != ItemLabel.Kind.COUNTED ? null : String.valueOf(label.count()),
                    "class", HtmlLooks.className(paragraph.style()), "dir", direction(paragraph, table), "style", style);
            if (label.isShown()) out.open("span", "class", "number").text(label.words() + " ").close();
            inlines(paragraph, table);
            if (paragraph.length() == 0) out.open("br");
        }
        while (!open.isEmpty()) closeList(open, counts);
    }

    private void closeList(List<String> open, List<Integer> counts) {
        out.close().close().line();
        open.remove(open.size() - 1);
        counts.remove(counts.size() - 1);
    }

    /** What its labels are like is told beside the list where the element alone does not say it. @param level null for one that only holds a deeper one */
    private void openList(Numbering.Level level, ItemLabel label, int depth) {
        if (level == null || label.kind() != ItemLabel.Kind.COUNTED) {
            boolean signed = level != null && label.kind() == ItemLabel.Kind.SIGN && !level.label().equals(SIGNS.get(depth % SIGNS.size()));
            boolean worded = level != null && label.kind() == ItemLabel.Kind.WORDS;
            out.open("ul", "style", worded ? "list-style: none" : signed ? "list-style-type: " + quoted(level.label()) : null,
                    "data-label", signed ? level.label() : null).line();
            return;
        }
        String type = switch (level.format()) {
            case LOWER_LETTER -> "a";
            case UPPER_LETTER -> "A";
            case LOWER_ROMAN -> "i";
            case UPPER_ROMAN -> "I";
            default -> "1";
        };
        out.open("ol", "type", type.equals("1") ? null : type, "start", label.count() == 1 ? null : String.valueOf(label.count()),
                "data-label", label.isShown() ? level.label() : null).line();
    }

    /** A sign as style sheets tell it (CSS Counter Styles 3, 6.1). */
    private static String quoted(String sign) {
        return "'" + sign.replaceAll("[\\\\']", "\\\\$0").replaceAll("[<>&\"\\p{Cntrl}]", "") + " '";
    }

    private static String blank(String text) { return text.isBlank() ? null : text.strip(); }

    /** Said by the element: books may not say it by a style (EPUB 3.3, 6.3.1.4). */
    private String direction(Paragraph paragraph, Look table) {
        return cascade.paragraph(paragraph, table).is(ParagraphProperty.RIGHT_TO_LEFT) ? "rtl" : null;
    }

    private void paragraph(Paragraph paragraph, Look table) {
        int level = cascade.outlineLevel(paragraph);
        String element = level >= 1 && level <= 6 ? "h" + level : "p";
        boolean tabs = paragraph.text().indexOf('\t') >= 0;
        String style = HtmlLooks.className(paragraph.style());
        out.open(element, "class", tabs ? (style == null ? "tabs" : style + " tabs") : style, "dir", direction(paragraph, table),
                "style", blank(looks.paragraph(paragraph, table)));
        number(paragraph);
        inlines(paragraph, table);
        // Browsers show an empty paragraph only where something is in it.
        if (paragraph.length() == 0) out.open("br");
        out.close().line();
    }

    /** The label of a paragraph that is no item of a list. */
    private void number(Paragraph paragraph) {
        String label = labels.label(paragraph);
        if (label != null && !label.isBlank()) out.open("span", "class", "number").text(label + " ").close();
    }

    private void inlines(Paragraph paragraph, Look table) {
        Link open = null;
        for (Inline inline : paragraph.inlines()) {
            Link link = inline.look().get(TextProperty.LINK);
            if (inline.length() > 0 && !Objects.equals(link, open)) {
                if (open != null) out.close();
                if (link != null) out.open("a", "href", link instanceof Link.Address address ? address.iri() : targets.apply(((Link.Inside) link).bookmark()));
                open = link;
            }
            inline(inline, paragraph, table);
        }
        if (open != null) out.close();
    }

    private void inline(Inline inline, Paragraph paragraph, Look table) {
        if (inline instanceof Inline.Text run) {
            run(looks.run(paragraph, run.look(), table), () -> text(run.text()));
        } else if (inline instanceof Inline.Field field) {
            if (field.kind() != Inline.Field.Kind.NOTE_MARK) run(looks.run(paragraph, field.look(), table), () -> text(field.result()));
        } else if (inline instanceof Inline.BookmarkPoint point) {
            if (point.start()) out.open("a", "id", point.name()).close();
        } else if (inline instanceof Inline.Note note) {
            notes.add(note);
            int number = noteBase + notes.size();
            out.open("sup").open("a", "id", "mark-" + number, "href", "#note-" + number, "role", "doc-noteref")
                    .text(note.mark() == null ? String.valueOf(number) : note.mark()).close().close();
        } else if (inline instanceof Inline.InlinePicture picture) {
            picture(picture.picture(), null);
        } else if (inline instanceof Inline.Floating floating) {
            floating(floating);
        } else if (inline instanceof Inline.OpaqueInline opaque) {
            if (FormulaPictures.isFormula(opaque.opaque())) out.raw(FormulaPictures.mathMarkup(opaque.opaque()));
            else if (opaque.opaque().likeness() != null) picture(opaque.opaque().likeness(), null);
            else lost.add("opaque");
        }
    }

    private void text(String text) {
        StringBuilder plain = new StringBuilder();
        for (char c : text.toCharArray()) {
            if (c == Inline.LINE_BREAK) {
                out.text(plain.toString()).open("br");
                plain.setLength(0);
            } else if (c != Inline.PAGE_BREAK && c != Inline.COLUMN_BREAK) {
                plain.append(c);
            }
        }
        out.text(plain.toString());
    }

    /** By the elements that mean it where there are some, else by a style. */
    private void run(Look look, Runnable content) {
        int opened = 0;
        Look rest = look.without(TextProperty.LINK).without(TextProperty.STYLE);
        if (rest.is(TextProperty.BOLD)) {
            out.open("strong");
            rest = rest.without(TextProperty.BOLD);
            opened++;
        }
        if (rest.is(TextProperty.ITALIC)) {
            out.open("em");
            rest = rest.without(TextProperty.ITALIC);
            opened++;
        }
        if (rest.get(TextProperty.UNDERLINE, Underline.NONE) != Underline.NONE) {
            out.open("u");
            opened++;
        }
        if (rest.is(TextProperty.STRIKE) || rest.is(TextProperty.DOUBLE_STRIKE)) {
            out.open("s");
            opened++;
        }
        Script script = rest.get(TextProperty.SCRIPT, Script.BASELINE);
        if (script != Script.BASELINE) {
            out.open(script == Script.SUPER ? "sup" : "sub");
            opened++;
        }
        String css = HtmlLooks.text(rest);
        if (!css.isBlank()) {
            out.open("span", "style", css.strip());
            opened++;
        }
        content.run();
        for (int i = 0; i < opened; i++) out.close();
    }

    private void picture(Picture picture, String style) {
        String source = sources.apply(picture);
        if (source == null) {
            lost.add("picture");
            return;
        }
        if (picture.crop().left() != 0 || picture.crop().right() != 0 || picture.crop().top() != 0 || picture.crop().bottom() != 0) lost.add("crop");
        out.open("img", "src", source, "alt", picture.description() == null ? "" : picture.description(), "width",
                String.valueOf(Math.round(picture.width() * 96 / 72)), "height", String.valueOf(Math.round(picture.height() * 96 / 72)), "style", style);
    }

    private void floating(Inline.Floating floating) {
        Alignment alignment = floating.anchor().horizontal().alignment();
        boolean end = alignment == Alignment.END || alignment == null && floating.anchor().horizontal().offset() > document.sections().get(0).page()
                .textWidth() / 2;
        String css = floating.anchor().wrap() == Anchor.Wrap.SQUARE ? "float: " + (end ? "right" : "left") + "; margin: 0.5em 1em"
                : "display: block; margin: 0.5em auto";
        if (floating.content() instanceof Picture picture) {
            picture(picture, css);
            return;
        }
        // A box cannot stand inside a paragraph of HTML; its words are set apart within it.
        TextBox box = (TextBox) floating.content();
        Markup outer = out;
        out = new Markup();
        for (Block block : box.blocks()) apart(block);
        String inside = out.toString();
        out = outer;
        StringBuilder dress = new StringBuilder(css).append("; width: ").append(HtmlLooks.number(box.width())).append("pt; ");
        if (box.border() != null && box.border().isVisible()) HtmlLooks.borders(dress, Borders.all(box.border()));
        if (box.fill() != null) dress.append("background: #").append(box.fill().hex()).append("; ");
        out.open("span", "class", "box", "role", "note", "style", dress.toString().strip()).raw(inside).close();
        lost.add("boxes");
    }

    /** Blocks within a paragraph: no element of HTML may stand there that is one by itself, so spans look like them. */
    private void apart(Block block) {
        if (block instanceof Paragraph paragraph) {
            out.open("span", "style", "display: block");
            number(paragraph);
            inlines(paragraph, Look.PLAIN);
            out.close();
        } else if (block instanceof Contents contents) {
            for (Paragraph entry : contents.entries()) apart(entry);
        } else if (block instanceof Table table) {
            out.open("span", "class", "table", "style", "display: table; border-collapse: collapse");
            for (Table.Row row : table.rows()) {
                out.open("span", "style", "display: table-row");
                for (Table.Cell cell : row.cells()) {
                    if (cell.columnSpan() > 1 || cell.rowSpan() > 1) lost.add("spans");
                    out.open("span", "style", "display: table-cell; border: 0.5pt solid; padding: 0 4pt");
                    for (Block one : cell.blocks()) apart(one);
                    out.close();
                }
                out.close();
            }
            out.close();
        }
    }

    private void table(Table table) {
        double width = table.columns().stream().mapToDouble(Double::doubleValue).sum();
        out.open("table", "style", "width: " + HtmlLooks.number(width) + "pt").line().open("colgroup");
        for (double column : table.columns()) out.open("col", "style", String.format(Locale.ROOT, "width: %.1f%%", width > 0 ? column / width * 100 : 0));
        out.close().line();
        int heads = 0;
        while (heads < table.rows().size() && table.rows().get(heads).look().is(TableProperty.HEADER_ROW)) heads++;
        if (heads > 0) {
            out.open("thead").line();
            for (int r = 0; r < heads; r++) row(table, r, "th");
            out.close().line();
        }
        out.open("tbody").line();
        for (int r = heads; r < table.rows().size(); r++) row(table, r, "td");
        out.close().line().close().line();
    }

    private void row(Table table, int r, String element) {
        out.open("tr");
        for (Table.Cell cell : table.rows().get(r).cells()) {
            Look look = cascade.cell(table, r, cell);
            StringBuilder css = new StringBuilder();
            HtmlLooks.borders(css, look.get(TableProperty.BORDERS));
            Colour shading = look.get(TableProperty.SHADING);
            if (shading != null && !shading.isAutomatic()) css.append("background: #").append(shading.hex()).append("; ");
            TableProperty.Insets padding = look.get(TableProperty.PADDING, new TableProperty.Insets(0, 5.4, 0, 5.4));
            css.append("padding: ").append(HtmlLooks.number(padding.top())).append("pt ").append(HtmlLooks.number(padding.right())).append("pt ")
                    .append(HtmlLooks.number(padding.bottom())).append("pt ").append(HtmlLooks.number(padding.left())).append("pt; ");
            css.append("vertical-align: ").append(switch (look.get(TableProperty.VERTICAL_ALIGNMENT, TableProperty.VerticalAlignment.TOP)) {
                case TOP -> "top";
                case CENTRE -> "middle";
                case BOTTOM -> "bottom";
            }).append(';');
            TableProperty.Running running = look.get(TableProperty.RUNNING, TableProperty.Running.ACROSS);
            if (running != TableProperty.Running.ACROSS)
                css.append(" writing-mode: ").append(running == TableProperty.Running.UP ? "sideways-lr" : "vertical-rl").append(';');
            out.open(element, "scope", element.equals("th") ? "col" : null, "colspan", cell.columnSpan() > 1 ? String.valueOf(cell.columnSpan()) : null,
                    "rowspan", cell.rowSpan() > 1 ? String.valueOf(cell.rowSpan()) : null, "style", css.toString());
            blocks(cell.blocks(), look);
            out.close();
        }
        out.close().line();
    }
}
