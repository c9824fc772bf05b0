package app.decant.format.odf;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Comment;
import app.decant.document.Contents;
import app.decant.document.Forms;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.FlatLooks;
import app.decant.format.ParagraphParts;
import app.decant.format.StandingCell;
import app.decant.format.formula.FormulaPictures;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;

/** Writes text: paragraphs and headings in their lists, tables, notes, frames (ISO/IEC 26300-1, 5 to 10). */
final class OdtBody {
    /** Where something lies that nobody put over or under others (19.231). */
    static final int LEVEL = 1;
    private static final String BREAKS = String.valueOf(new char[] {Inline.PAGE_BREAK, Inline.COLUMN_BREAK});

    private final OdtWriter writer;
    private final OdtStyles styles;
    private final XmlWriter xml;
    private final Cascade cascade;
    private final FlatLooks flat;
    private final ListLabels labels;
    private final boolean frame;
    private final Map<String, String> lists = new HashMap<>();
    private final OdtChanges changes;
    /** Writes what was taken out, which stands apart from the text. */
    private OdtBody apart;
    private final OdtCounts counts = new OdtCounts();
    private int listCount;
    private int noteCount;
    private String page;

    OdtBody(OdtWriter writer, XmlWriter xml, boolean frame) { this(writer, writer.styles(), xml, frame); }

    OdtBody(OdtWriter writer, OdtStyles styles, XmlWriter xml, boolean frame) {
        this.writer = writer;
        this.styles = styles;
        this.xml = xml;
        this.frame = frame;
        cascade = Cascade.of(writer.document());
        flat = new FlatLooks(cascade);
        labels = ListLabels.of(writer.document(), cascade);
        changes = new OdtChanges(xml, this::takenOut);
    }

    private void takenOut(XmlWriter regions, Paragraph paragraph) {
        if (apart == null) apart = new OdtBody(writer, styles, regions, frame);
        apart.paragraph(paragraph, Look.PLAIN);
    }

    /** The list of what was changed, or null. */
    XmlWriter regions() { return changes.regions(); }

    void sections(List<Section> sections) {
        for (int i = 0; i < sections.size(); i++) {
            Section section = sections.get(i);
            boolean goesOn = i > 0 && (section.start() == Section.Start.CONTINUOUS || section.start() == Section.Start.NEXT_COLUMN);
            if (section.start() == Section.Start.EVEN_PAGE || section.start() == Section.Start.ODD_PAGE) writer.lose("restart");
            if (!goesOn) page = OdtWriter.page(i) + (section.numbering().start() == null ? "" : "#" + section.numbering().start());
            List<Block> blocks = new ArrayList<>(section.blocks());
            // A table cannot begin a page by itself in every reader; an empty paragraph can.
            if (goesOn && section.columns().count() > 1) {
                String name = styles.other("section", "Sect", List.of(section.columns(), section.page().textWidth()), made -> {
                    made.open("style:section-properties");
                    OdtWriter.columns(made, section.columns(), section.page().textWidth());
                    made.close();
                });
                xml.open("text:section", "text:style-name", name, "text:name", "Section" + (i + 1));
                blocks(blocks);
                xml.close();
            } else {
                blocks(blocks);
            }
        }
    }

    void blocks(List<? extends Block> blocks) { blocks(blocks, Look.PLAIN); }

    private void blocks(List<? extends Block> blocks, Look table) {
        for (Block block : changes.without(blocks)) block(block, table);
        changes.close();
    }

    private void block(Block block, Look table) {
        if (!(block instanceof Paragraph)) changes.close();
        if (block instanceof Paragraph paragraph) paragraph(paragraph, table);
        else if (block instanceof Contents contents) contents(contents, table);
        else if (block instanceof Table one) table(one);
        else if (block instanceof OpaqueBlock) writer.lose("opaque");
    }

    /** Of headings (8.3), or of what bears captions of one sequence (8.4). */
    private void contents(Contents contents, Look table) {
        String sequence = contents.listsHeadings() ? null : contents.captions();
        String kind = sequence == null ? "text:table-of-content" : "text:illustration-index";
        xml.open(kind, "text:name", "Contents" + ++listCount, "text:protected", "false");
        if (sequence == null) xml.open(kind + "-source", "text:outline-level", contents.toLevel(), "text:use-index-marks", "false").close();
        else xml.open(kind + "-source", "text:caption-sequence-name", sequence, "text:caption-sequence-format", "text").close();
        xml.open("text:index-body");
        for (Paragraph entry : contents.entries()) paragraph(entry, table);
        xml.close().close();
    }

    /** Breaks inside a paragraph part it: the format knows them only before one. */
    private void paragraph(Paragraph paragraph, Look table) {
        String breaks = null;
        for (ParagraphParts.Part part : ParagraphParts.of(paragraph, cascade, table, BREAKS)) {
            listed(part.paragraph(), breaks == null ? changes.original(paragraph) : part.paragraph(), table, breaks);
            breaks = part.ends() == Inline.PAGE_BREAK ? "page" : "column";
        }
    }

    /** @param counted the paragraph that bears the label */
    private void listed(Paragraph paragraph, Paragraph counted, Look table, String breaks) {
        ParagraphProperty.ListReference list = cascade.paragraph(paragraph, table).get(ParagraphProperty.LIST);
        boolean item = list != null && list.list() != null && writer.document().numbering().level(list) != null && labels.label(counted) != null;
        int depth = item ? list.level() + 1 : 0;
        if (item) {
            String id = "list" + ++listCount;
            ParagraphProperty.ListReference first = counts.together(list, writer.document().numbering());
            String before = lists.put(first.list(), id);
            xml.open("text:list", "xml:id", id, "text:style-name", styles.listName(first.list()), "text:continue-list", before);
            for (int i = 1; i < depth; i++) xml.open("text:list-item").open("text:list");
            int number = labels.number(counted);
            xml.open("text:list-item", "text:start-value", counts.counts(first, writer.document().numbering()) == number || number < 1 ? null : number);
            counts.set(first, number);
        }
        plain(paragraph, table, breaks);
        if (item) for (int i = 0; i < depth; i++) xml.close().close();
    }

    private void plain(Paragraph told, Look table, String breaks) {
        Paragraph paragraph = Forms.sound(told);
        int level = cascade.outlineLevel(paragraph);
        String begins = page;
        page = null;
        Look own = flat.paragraph(paragraph, table);
        // Text properties of the end mark dress an empty paragraph.
        if (paragraph.length() == 0) own = flat.text(paragraph, paragraph.mark(), table).over(own);
        String style = styles.paragraph(paragraph.style(), own, breaks, begins);
        xml.open(level > 0 ? "text:h" : "text:p", "text:style-name", style, "text:outline-level", level > 0 ? level : null);
        Link open = null;
        List<Forms.Span> forms = Forms.spans(paragraph);
        for (int i = 0; i < paragraph.inlines().size(); i++) {
            Inline inline = paragraph.inlines().get(i);
            Link link = inline.look().get(TextProperty.LINK);
            if (inline.length() > 0 && !Objects.equals(link, open)) {
                if (open != null) xml.close();
                if (link != null) xml.open("text:a", "xlink:type", "simple", "xlink:href", link instanceof Link.Address address ? address.uri() : "#"
                        + ((Link.Inside) link).bookmark());
                open = link;
            }
            if (inline.length() > 0) {
                changes.before(inline.look());
                for (Comment comment : writer.spans().beginning(inline.look())) annotation(comment, true);
            }
            Forms.Span form = Forms.at(forms, i);
            boolean taken = form != null && writer.forms().takes(form, paragraph, frame);
            if (taken && form.from() == i) run(paragraph, inline.look(), table, () -> writer.forms().write(form, xml));
            if (!taken || inline.length() == 0) inline(inline, paragraph, table);
            if (inline.length() > 0) for (Comment comment : writer.spans().ending(inline.look())) annotation(comment, false);
        }
        if (paragraph.length() == 0) {
            for (Comment comment : writer.spans().beginning(paragraph.mark())) annotation(comment, true);
            for (Comment comment : writer.spans().ending(paragraph.mark())) annotation(comment, false);
        }
        changes.before(paragraph.mark());
        if (open != null) xml.close();
        xml.close();
    }

    /** 14.1 and 14.2. Answers have no place of their own: they stand in what they answer, which is told. */
    private void annotation(Comment comment, boolean begins) {
        String name = "c" + comment.number();
        if (!begins) {
            xml.leaf("office:annotation-end", "office:name", name);
            return;
        }
        xml.open("office:annotation", "office:name", name);
        Comment.Remark remark = comment.remark();
        xml.open("dc:creator").text(remark.author()).close();
        if (remark.when() != null) xml.open("dc:date").text(OdtChanges.time(remark.when())).close();
        for (String line : remark.text().split("\n", -1)) xml.open("text:p").text(line).close();
        for (Comment.Remark answer : comment.answers()) {
            writer.lose("answers");
            for (String line : (answer.author() + ": " + answer.text()).split("\n", -1)) xml.open("text:p").text(line).close();
        }
        if (comment.done()) writer.lose("done");
        xml.close();
    }

    private void run(Paragraph paragraph, Look own, Look table, Runnable content) {
        String style = styles.text(flat.text(paragraph, own, table));
        if (style != null) xml.open("text:span", "text:style-name", style);
        content.run();
        if (style != null) xml.close();
    }

    private void text(String text) {
        StringBuilder plain = new StringBuilder();
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean space = c == ' ' && (plain.isEmpty() || plain.charAt(plain.length() - 1) == ' ' || i == text.length() - 1);
            if (c == Inline.TAB || c == Inline.LINE_BREAK || space) {
                xml.text(plain.toString());
                plain.setLength(0);
                xml.leaf(c == Inline.TAB ? "text:tab" : c == Inline.LINE_BREAK ? "text:line-break" : "text:s");
            } else {
                plain.append(c);
            }
        }
        xml.text(plain.toString());
    }

    private void inline(Inline inline, Paragraph paragraph, Look table) {
        if (inline instanceof Inline.Text run) {
            run(paragraph, run.look(), table, () -> text(run.text()));
        } else if (inline instanceof Inline.Field field) {
            if (field.kind() != Inline.Field.Kind.NOTE_MARK) run(paragraph, field.look(), table, () -> field(field));
        } else if (inline instanceof Inline.BookmarkPoint point) {
            if (!changes.isWritten(point)) xml.leaf(point.start() ? "text:bookmark-start" : "text:bookmark-end", "text:name", point.name());
        } else if (inline instanceof Inline.Note note) {
            run(paragraph, note.look().without(TextProperty.SCRIPT), table, () -> note(note));
        } else if (inline instanceof Inline.InlinePicture picture) {
            run(paragraph, picture.look(), table, () -> picture(picture.picture(), null));
        } else if (inline instanceof Inline.Floating floating) {
            run(paragraph, floating.look(), table, () -> floating(floating));
        } else if (inline instanceof Inline.OpaqueInline opaque) {
            if (FormulaPictures.isFormula(opaque.opaque()) && opaque.opaque().likeness() != null) formula(opaque);
            else if (opaque.opaque().likeness() != null) picture(opaque.opaque().likeness(), null);
            else writer.lose("opaque");
        }
    }

    /** 7.3 to 7.7. */
    private void field(Inline.Field field) {
        String element = switch (field.kind()) {
            case PAGE -> "text:page-number";
            case PAGES, SECTION_PAGES -> "text:page-count";
            case DATE -> "text:date";
            case TIME -> "text:time";
            case TITLE -> "text:title";
            case AUTHOR -> "text:initial-creator";
            case FILE_NAME -> "text:file-name";
            case REFERENCE, PAGE_REFERENCE -> "text:bookmark-ref";
            case NOTE_MARK, OTHER -> null;
        };
        if (element == null) {
            text(field.result());
            return;
        }
        boolean reference = element.equals("text:bookmark-ref");
        xml.open(element, "text:select-page", element.equals("text:page-number") ? "current" : null, "text:ref-name", reference ? field.argument() : null,
                "text:reference-format", !reference ? null : field.kind() == Inline.Field.Kind.PAGE_REFERENCE ? "page" : "text");
        xml.text(field.result()).close();
    }

    private void note(Inline.Note note) {
        boolean foot = note.kind() == Inline.Note.Kind.FOOTNOTE;
        xml.open("text:note", "text:id", (frame ? "hf" : "n") + ++noteCount, "text:note-class", foot ? "footnote" : "endnote");
        xml.open("text:note-citation", "text:label", note.mark()).text(note.mark() == null ? String.valueOf(noteCount) : note.mark()).close();
        xml.open("text:note-body");
        String waiting = page;
        page = null;
        blocks(note.blocks());
        page = waiting;
        xml.close().close();
    }

    /** @param anchor null for one that stands in the line */
    private void picture(Picture picture, Anchor anchor) {
        String name = writer.picture(picture);
        if (name == null) return;
        open(anchor, picture.width(), picture.height(), crop(picture), null);
        xml.open("draw:image", "xlink:href", name, "xlink:type", "simple", "xlink:show", "embed", "xlink:actuate", "onLoad").close();
        if (picture.description() != null) xml.open("svg:desc").text(picture.description()).close();
        xml.close();
    }

    /** A formula as an object of its own markup, on the baseline of its line (10.4.6.2). */
    private void formula(Inline.OpaqueInline formula) {
        Picture shown = formula.opaque().likeness();
        String style = styles.other("graphic", "fr", List.of("formula"), made -> made.leaf("style:graphic-properties", "style:vertical-pos", "from-top",
                "style:vertical-rel", "baseline"));
        double up = shown.height() + formula.look().get(TextProperty.RAISE, 0.0);
        xml.open("draw:frame", "draw:style-name", style, "text:anchor-type", "as-char", "svg:y", OdtLooks.points(-up), "svg:width",
                OdtLooks.points(shown.width()), "svg:height", OdtLooks.points(shown.height()));
        xml.open("draw:object").raw(FormulaPictures.mathMarkup(formula.opaque())).close();
        if (shown.description() != null) xml.open("svg:desc").text(shown.description()).close();
        xml.close();
    }

    /** 20.153: how much of the picture in its whole size is cut off at each side. */
    private static String crop(Picture picture) {
        Insets crop = picture.crop();
        if (crop.equals(Insets.NONE)) return null;
        double wide = picture.width() / Math.max(0.01, 1 - crop.left() - crop.right());
        double high = picture.height() / Math.max(0.01, 1 - crop.top() - crop.bottom());
        return "rect(" + OdtLooks.points(high * crop.top()) + ", " + OdtLooks.points(wide * crop.right()) + ", " + OdtLooks.points(high * crop.bottom())
                + ", " + OdtLooks.points(wide * crop.left()) + ")";
    }

    private void floating(Inline.Floating floating) {
        if (floating.content() instanceof Picture picture) {
            picture(picture, floating.anchor());
            return;
        }
        TextBox box = (TextBox) floating.content();
        open(floating.anchor(), box.width(), box.height(), null, box);
        xml.open("draw:text-box", "fo:min-height", box.grows() ? OdtLooks.points(box.height()) : null);
        String waiting = page;
        page = null;
        blocks(box.blocks());
        page = waiting;
        xml.close().close();
    }

    private void open(Anchor anchor, double width, double height, String crop, TextBox box) {
        String style = styles.other("graphic", "fr", Arrays.asList(anchor == null ? null : anchor.withLevel(0), crop, box == null ? null
                : List.of(box.padding(), Objects.requireNonNullElse(box.border(), Border.NONE), Objects.requireNonNullElse(box.fill(), Colour.AUTOMATIC))),
                made -> {
            List<Object> a = new ArrayList<>();
            if (anchor == null) {
                a.addAll(List.of("style:vertical-pos", "top", "style:vertical-rel", "baseline"));
            } else {
                Alignment across = anchor.horizontal().alignment();
                a.addAll(List.of("style:horizontal-pos", across == null ? "from-left" : across == Alignment.CENTRE ? "center" : across == Alignment.END
                        ? "right" : "left", "style:horizontal-rel", switch (anchor.horizontal().from()) {
                    case PAGE -> "page";
                    case MARGIN -> "page-content";
                    case COLUMN -> "paragraph";
                    case CHARACTER -> "char";
                }));
                VerticalAlignment down = anchor.vertical().alignment();
                a.addAll(List.of("style:vertical-pos", down == null ? "from-top" : down == VerticalAlignment.CENTRE ? "middle" : down.name()
                        .toLowerCase(Locale.ROOT), "style:vertical-rel", switch (anchor.vertical().from()) {
                    case PAGE -> "page";
                    case MARGIN -> "page-content";
                    case PARAGRAPH -> "paragraph";
                    case LINE -> "line";
                }));
                a.addAll(List.of("style:wrap", anchor.wrap() == Anchor.Wrap.SQUARE ? "dynamic" : anchor.wrap() == Anchor.Wrap.NONE ? "run-through" : "none",
                        "style:run-through", anchor.behind() ? "background" : "foreground"));
                a.addAll(List.of("fo:margin-top", OdtLooks.points(anchor.distance().top()), "fo:margin-right", OdtLooks.points(anchor.distance().right()),
                        "fo:margin-bottom", OdtLooks.points(anchor.distance().bottom()), "fo:margin-left", OdtLooks.points(anchor.distance().left())));
            }
            if (crop != null) a.addAll(List.of("fo:clip", crop));
            if (box != null) {
                // Lines of boxes that run up have no name in this version of the format (20.404).
                if (box.running() == Running.UP) writer.lose("upwards");
                if (box.running() == Running.DOWN) a.addAll(List.of("style:writing-mode", "tb-rl"));
                if (box.standing() != VerticalAlignment.TOP)
                    a.addAll(List.of("draw:textarea-vertical-align", box.standing() == VerticalAlignment.CENTRE ? "middle" : "bottom"));
                a.addAll(List.of("fo:border", OdtLooks.border(box.border()), "fo:padding-top", OdtLooks.points(box.padding().top()), "fo:padding-right",
                        OdtLooks.points(box.padding().right()), "fo:padding-bottom", OdtLooks.points(box.padding().bottom()), "fo:padding-left",
                        OdtLooks.points(box.padding().left())));
                a.addAll(List.of("fo:background-color", box.fill() == null || box.fill().isAutomatic() ? "transparent" : OdtLooks.colour(box.fill())));
            }
            made.leaf("style:graphic-properties", a.toArray());
        });
        boolean placed = anchor != null;
        xml.open("draw:frame", "draw:style-name", style, "text:anchor-type", placed ? "paragraph" : "as-char", "svg:x", placed && anchor.horizontal()
                .alignment() == null ? OdtLooks.points(anchor.horizontal().offset()) : null,
                "svg:y", placed && anchor.vertical().alignment() == null ? OdtLooks.points(anchor.vertical().offset()) : null, "svg:width",
                        OdtLooks.points(width), "svg:height", box != null && box.grows() ? null : OdtLooks.points(height),
                "draw:z-index", placed ? Math.max(0, LEVEL + anchor.level()) : null);
    }

    private void table(Table table) {
        Look whole = cascade.table(table);
        double width = table.columns().stream().mapToDouble(Double::doubleValue).sum();
        Insets padding = whole.get(TableProperty.PADDING, new Insets(0, 5.4, 0, 5.4));
        Alignment alignment = whole.get(TableProperty.ALIGNMENT);
        double indent = whole.get(TableProperty.INDENT, 0.0) - padding.left();
        String begins = page;
        page = null;
        String style = styles.other("table", "Table", Arrays.asList(width, alignment, indent, begins), begins == null ? null
                : begins.split("#")[0], made -> made.leaf("style:table-properties", "style:width", OdtLooks.extent(width),
                "table:align", alignment == Alignment.CENTRE ? "center" : alignment == Alignment.END ? "right" : "left", "fo:margin-left", alignment == null
                        || alignment == Alignment.START ? OdtLooks.points(indent) : null, "table:border-model", "collapsing"));
        xml.open("table:table", "table:style-name", style);
        for (double column : table.columns()) {
            String name = styles.other("table-column", "Col", column, made -> made.leaf("style:table-column-properties", "style:column-width",
                    OdtLooks.extent(column)));
            xml.leaf("table:table-column", "table:style-name", name);
        }
        int heads = 0;
        while (heads < table.rows().size() && table.rows().get(heads).look().is(TableProperty.HEADER_ROW)) heads++;
        if (heads > 0) xml.open("table:table-header-rows");
        for (int r = 0; r < table.rows().size(); r++) {
            row(table, r);
            if (heads > 0 && r == heads - 1) xml.close();
        }
        xml.close();
    }

    private void row(Table table, int r) {
        Look look = table.rows().get(r).look();
        Double height = look.get(TableProperty.ROW_HEIGHT);
        String name = styles.other("table-row", "Row", Arrays.asList(height, look.is(TableProperty.ROW_HEIGHT_EXACT),
                look.is(TableProperty.KEEP_ROW)), made -> made.leaf("style:table-row-properties",
                look.is(TableProperty.ROW_HEIGHT_EXACT) ? "style:row-height" : "style:min-row-height", height == null ? null : OdtLooks.points(height),
                        "fo:keep-together", look.is(TableProperty.KEEP_ROW) ? "always" : null));
        xml.open("table:table-row", "table:style-name", name);
        int column = 0;
        for (StandingCell one : StandingCell.in(table, r)) {
            Table.Cell cell = one.cell();
            for (; column < cell.column(); column++) xml.open("table:table-cell").leaf("text:p").close();
            if (one.continues()) {
                for (int i = 0; i < cell.columnSpan(); i++) xml.leaf("table:covered-table-cell");
            } else {
                Look dress = cascade.cell(table, r, cell);
                xml.open("table:table-cell", "table:style-name", cellStyle(dress), "table:number-columns-spanned", cell.columnSpan() > 1 ? cell.columnSpan()
                        : null, "table:number-rows-spanned", cell.rowSpan() > 1 ? cell.rowSpan() : null);
                List<Block> blocks = cell.blocks().isEmpty() ? List.of(Paragraph.of("")) : cell.blocks();
                blocks(blocks, dress);
                xml.close();
                for (int i = 1; i < cell.columnSpan(); i++) xml.leaf("table:covered-table-cell");
            }
            column = cell.column() + cell.columnSpan();
        }
        for (; column < table.columns().size(); column++) xml.open("table:table-cell").leaf("text:p").close();
        xml.close();
    }

    private String cellStyle(Look look) {
        Borders borders = look.get(TableProperty.BORDERS, Borders.OPEN);
        Colour shading = look.get(TableProperty.SHADING);
        Insets padding = look.get(TableProperty.PADDING, new Insets(0, 5.4, 0, 5.4));
        VerticalAlignment vertical = look.get(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.TOP);
        Running running = look.get(TableProperty.RUNNING, Running.ACROSS);
        return styles.other("table-cell", "Cell", Arrays.asList(borders, shading, padding, vertical, running),
                made -> made.leaf("style:table-cell-properties", "fo:border-top", OdtLooks.border(borders.top()), "fo:border-right",
                OdtLooks.border(borders.right()),
                "fo:border-bottom", OdtLooks.border(borders.bottom()), "fo:border-left", OdtLooks.border(borders.left()), "fo:background-color",
                        shading == null || shading.isAutomatic() ? null : OdtLooks.colour(shading), "fo:padding-top", OdtLooks.points(padding.top()),
                "fo:padding-right", OdtLooks.points(padding.right()), "fo:padding-bottom", OdtLooks.points(padding.bottom()), "fo:padding-left",
                        OdtLooks.points(padding.left()), "style:vertical-align", vertical == VerticalAlignment.CENTRE ? "middle" : vertical.name()
                        .toLowerCase(Locale.ROOT), "style:rotation-angle", running == Running.ACROSS ? null : running == Running.UP ? "90" : "270"));
    }
}
