package app.decant.format.rtf;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Comment;
import app.decant.document.Contents;
import app.decant.document.Forms;
import app.decant.document.Inline;
import app.decant.document.Link;
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
import app.decant.document.TrackedChange;
import app.decant.format.OfficeTime;
import app.decant.format.StandingCell;
import app.decant.picture.PictureDecoder;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Objects;
import javax.imageio.ImageIO;
import org.slf4j.LoggerFactory;

/** Writes blocks: paragraphs with their runs, tables row by row, pictures, notes, fields. */
final class RtfStory {
    private static final double RESOLUTION = 200;

    private final RtfWriter writer;
    private final RtfLooks looks;
    private final Section section;
    private final StringBuilder out;

    RtfStory(RtfWriter writer, Section section, StringBuilder out) {
        this.writer = writer;
        this.looks = writer.looks();
        this.section = section;
        this.out = out;
    }

    /** The blocks of a section; its last paragraph is ended by the section where another follows. */
    void section(List<Block> blocks, boolean last) {
        for (int i = 0; i < blocks.size(); i++) block(blocks.get(i), 0, Look.PLAIN, !last && i == blocks.size() - 1 ? "\\sect" : "\\par");
    }

    void blocks(List<? extends Block> blocks) { for (Block block : blocks) block(block, 0, Look.PLAIN, "\\par"); }

    private void block(Block block, int depth, Look table, String end) {
        if (block instanceof Paragraph paragraph) paragraph(paragraph, depth, table, end, "", "");
        else if (block instanceof Contents contents) contents(contents, depth, table);
        else if (block instanceof Table one) table(one, depth + 1);
        else if (block instanceof OpaqueBlock) writer.lose("opaque");
    }

    private void contents(Contents contents, int depth, Look table) {
        List<Paragraph> entries = contents.entries().isEmpty() ? List.of(Paragraph.of("")) : contents.entries();
        String opens = "{\\field{\\*\\fldinst " + RtfText.escaped(contents.field()) + "}{\\fldrslt ";
        for (int i = 0; i < entries.size(); i++) paragraph(entries.get(i), depth, table, "\\par", i == 0 ? opens : "", i == entries.size() - 1 ? "}}" : "");
    }

    private void paragraph(Paragraph told, int depth, Look table, String end, String opens, String closes) {
        Paragraph paragraph = Forms.sound(told);
        out.append("\\pard\\plain");
        if (depth > 0) out.append("\\intbl").append(depth > 1 ? "\\itap" + depth : "");
        out.append("\\s").append(writer.style(paragraph.style()));
        // A style's words are told again: a reader takes them from here, not from the style sheet.
        Look style = writer.flat().cascade().paragraph(new Paragraph(paragraph.style(), writer.flat().paragraph(paragraph, table), Look.PLAIN, List.of()));
        // In a file that parts words all are parted that nothing is said of.
        if (writer.parts() && !style.is(ParagraphProperty.HYPHENATION)) style = style.with(ParagraphProperty.HYPHENATION, false);
        out.append(looks.paragraph(style)).append(' ').append(opens);
        Link open = null;
        List<Forms.Span> forms = Forms.spans(paragraph);
        for (int i = 0; i < paragraph.inlines().size(); i++) {
            Inline inline = paragraph.inlines().get(i);
            Link link = inline.look().get(TextProperty.LINK);
            if (inline.length() > 0 && !Objects.equals(link, open)) {
                if (open != null) out.append("}}");
                if (link != null) out.append("{\\field{\\*\\fldinst HYPERLINK ").append(link instanceof Link.Address address ? "\""
                        + RtfText.escaped(address.uri().replace("\"", "%22")) + "\"" : "\\\\l \"" + RtfText.escaped(((Link.Inside) link).bookmark()) + "\"")
                        .append("}{\\fldrslt ");
                open = link;
            }
            if (inline.length() > 0) beginning(inline.look());
            Forms.Span form = inline.length() == 0 ? null : Forms.at(forms, i);
            boolean byData = form != null && form.isShownByData();
            if (byData && form.from() == i) run(paragraph, inline.look(), table, RtfFormFields.opening(form) + "}}");
            if (form != null && !byData && form.from() == i) out.append(RtfFormFields.opening(form));
            if (!byData) inline(inline, paragraph, table);
            if (form != null && !byData && form.to() == i + 1) out.append("}}");
            if (inline.length() > 0) ending(inline.look());
        }
        if (paragraph.length() == 0) {
            beginning(paragraph.mark());
            ending(paragraph.mark());
        }
        if (open != null) out.append("}}");
        out.append('{').append(text(paragraph, paragraph.mark(), table)).append(end).append('}');
        // The entry's end closes the list of contents behind its last mark.
        out.append(closes).append('\n');
    }

    /** All text properties, since {@code \plain} has put them back: those of styles told again. */
    private String text(Paragraph paragraph, Look own, Look table) {
        Look look = writer.flat().cascade().text(paragraph, own, table).without(TextProperty.LINK);
        if (own.says(TextProperty.STYLE)) look = look.with(TextProperty.STYLE, own.get(TextProperty.STYLE));
        return looks.text(look) + revision(own.get(TextProperty.TRACKED));
    }

    private String revision(TrackedChange change) {
        if (change == null) return "";
        StringBuilder words = new StringBuilder();
        TrackedChange.Mark came = change.insertion();
        TrackedChange.Mark went = change.deletion();
        if (came != null) words.append("\\revised\\revauth").append(writer.author(came.author())).append("\\revdttm").append(OfficeTime.number(came.when()));
        if (went != null)
            words.append("\\deleted\\revauthdel").append(writer.author(went.author())).append("\\revdttmdel").append(OfficeTime.number(went.when()));
        return words.toString();
    }

    private void ending(Look look) {
        for (Comment comment : writer.spans().ending(look)) {
            Comment.Remark remark = comment.remark();
            out.append("{\\*\\atrfend ").append(comment.number()).append("}{\\*\\atnid ").append(RtfText.escaped(remark.initials()))
                    .append("}{\\*\\atnauthor ").append(RtfText.escaped(remark.author())).append("}\\chatn{\\*\\annotation{\\*\\atnref ")
                    .append(comment.number()).append("}{\\*\\atndate ").append(OfficeTime.number(remark.when())).append('}');
            StringBuilder text = new StringBuilder(remark.text());
            for (Comment.Remark answer : comment.answers()) text.append('\n').append(answer.author()).append(": ").append(answer.text());
            if (!comment.answers().isEmpty()) writer.lose("answers");
            if (comment.done()) writer.lose("done");
            for (String line : text.toString().split("\n", -1)) out.append("\\pard\\plain ").append(RtfText.escaped(line)).append("\\par ");
            out.append('}');
        }
    }

    private void beginning(Look look) {
        for (Comment comment : writer.spans().beginning(look)) out.append("{\\*\\atrfstart ").append(comment.number()).append('}');
    }

    private void run(Paragraph paragraph, Look own, Look table, String content) {
        out.append('{').append(text(paragraph, own, table)).append(' ').append(content).append('}');
    }

    private void inline(Inline inline, Paragraph paragraph, Look table) {
        if (inline instanceof Inline.Text run) {
            run(paragraph, run.look(), table, RtfText.escaped(run.text()));
        } else if (inline instanceof Inline.Field field) {
            if (field.kind() == Inline.Field.Kind.NOTE_MARK) run(paragraph, field.look(), table, "\\chftn");
            else run(paragraph, field.look(), table, "{\\field{\\*\\fldinst " + RtfText.escaped(field.asked()) + "}{\\fldrslt "
                    + RtfText.escaped(field.result()) + "}}");
        } else if (inline instanceof Inline.BookmarkPoint point) {
            out.append(point.start() ? "{\\*\\bkmkstart " : "{\\*\\bkmkend ").append(RtfText.escaped(point.name())).append('}');
        } else if (inline instanceof Inline.Note note) {
            note(note, paragraph, table);
        } else if (inline instanceof Inline.InlinePicture picture) {
            String made = picture(picture.picture());
            if (made != null) run(paragraph, picture.look(), table, made);
        } else if (inline instanceof Inline.Floating floating) {
            out.append('{').append(text(paragraph, floating.look(), table)).append(' ');
            floating(floating);
            out.append('}');
        } else if (inline instanceof Inline.OpaqueInline opaque) {
            String made = opaque.opaque().likeness() == null ? null : picture(opaque.opaque().likeness());
            if (made != null) run(paragraph, opaque.look(), table, made);
            else writer.lose("opaque");
        }
    }

    private void note(Inline.Note note, Paragraph paragraph, Look table) {
        run(paragraph, note.look(), table, note.mark() == null ? "\\chftn" : RtfText.escaped(note.mark()));
        out.append(note.kind() == Inline.Note.Kind.FOOTNOTE ? "{\\footnote " : "{\\footnote\\ftnalt ");
        new RtfStory(writer, section, out).blocks(note.blocks());
        out.append('}');
    }

    private String picture(Picture picture) {
        try {
            byte[] file = picture.image().bytes();
            boolean png = picture.image().type().equals("image/png");
            if (!png && !picture.image().type().equals("image/jpeg")) {
                writer.lose("pixels");
                BufferedImage pixels = PictureDecoder.decode(picture.image(), RESOLUTION);
                if (pixels == null) throw new IOException("No pixels in " + picture.image());
                ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                ImageIO.write(pixels, "png", bytes);
                file = bytes.toByteArray();
                png = true;
            }
            Insets crop = picture.crop();
            double wide = picture.width() / Math.max(0.01, 1 - crop.left() - crop.right());
            double high = picture.height() / Math.max(0.01, 1 - crop.top() - crop.bottom());
            StringBuilder made = new StringBuilder("{\\pict").append(png ? "\\pngblip" : "\\jpegblip").append("\\picwgoal").append(RtfLooks.twips(wide))
                    .append("\\pichgoal").append(RtfLooks.twips(high)).append("\\picscalex100\\picscaley100");
            made.append("\\piccropl").append(RtfLooks.twips(wide * crop.left())).append("\\piccropr").append(RtfLooks.twips(wide * crop.right()))
                    .append("\\piccropt").append(RtfLooks.twips(high * crop.top())).append("\\piccropb").append(RtfLooks.twips(high * crop.bottom()));
            if (picture.description() != null)
                made.append("{\\*\\picprop{\\sp{\\sn wzDescription}{\\sv ").append(RtfText.escaped(picture.description())).append("}}}");
            String hex = HexFormat.of().formatHex(file);
            for (int i = 0; i < hex.length(); i += 128) made.append('\n').append(hex, i, Math.min(hex.length(), i + 128));
            return made.append('}').toString();
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(RtfStory.class).info("A picture can't be written: {}", picture.image(), e);
            writer.lose("picture");
            return null;
        }
    }

    private void floating(Inline.Floating floating) {
        Anchor anchor = floating.anchor();
        Anchor.Horizontal across = anchor.horizontal();
        Anchor.Vertical down = anchor.vertical();
        double width = floating.content().width();
        double left = across.offset();
        if (across.alignment() != null) {
            double all = across.from() == Anchor.Horizontal.From.PAGE ? section.page().width() : section.page().textWidth();
            left = across.alignment() == Alignment.CENTRE ? (all - width) / 2 : across.alignment() == Alignment.END ? all - width : 0;
        }
        int x = RtfLooks.twips(left);
        int y = RtfLooks.twips(down.offset());
        StringBuilder shape = new StringBuilder("{\\shp{\\*\\shpinst\\shpleft").append(x).append("\\shptop").append(y).append("\\shpright")
                .append(x + RtfLooks.twips(width)).append("\\shpbottom").append(y + RtfLooks.twips(floating.content().height()));
        shape.append(across.from() == Anchor.Horizontal.From.PAGE ? "\\shpbxpage" : across.from() == Anchor.Horizontal.From.MARGIN ? "\\shpbxmargin"
                : "\\shpbxcolumn");
        shape.append(down.from() == Anchor.Vertical.From.PAGE ? "\\shpbypage" : down.from() == Anchor.Vertical.From.MARGIN ? "\\shpbymargin" : "\\shpbypara");
        shape.append(anchor.wrap() == Anchor.Wrap.TOP_AND_BOTTOM ? "\\shpwr1" : anchor.wrap() == Anchor.Wrap.NONE ? "\\shpwr3" : "\\shpwr2")
                .append("\\shpwrk0\\shpfblwtxt").append(anchor.behind() ? 1 : 0).append("\\shpz").append(Math.max(0, RtfShape.LEVEL + anchor.level()));
        if (floating.content() instanceof Picture picture) {
            String made = picture(picture);
            if (made == null) return;
            out.append(shape).append(property("shapeType", "75")).append(property("pib", made)).append("}}");
            return;
        }
        TextBox box = (TextBox) floating.content();
        out.append(shape).append(property("shapeType", "202")).append(property("fFilled", box.fill() == null ? "0" : "1"))
                .append(box.fill() == null ? "" : property("fillColor", String.valueOf(number(box.fill()))));
        boolean lined = box.border() != null && box.border().isVisible();
        out.append(property("fLine", lined ? "1" : "0"));
        if (lined) out.append(property("lineWidth", String.valueOf(Math.round(box.border().width() * 12700))))
                .append(property("lineColor", String.valueOf(number(box.border().colour()))));
        Insets padding = box.padding();
        if (box.running() != Running.ACROSS) out.append(property("txflTextFlow", box.running() == Running.UP ? "2" : "1"));
        out.append(property("dxTextLeft", emu(padding.left()))).append(property("dyTextTop", emu(padding.top())))
                .append(property("dxTextRight", emu(padding.right()))).append(property("dyTextBottom", emu(padding.bottom())));
        out.append("{\\shptxt ");
        new RtfStory(writer, section, out).blocks(box.blocks());
        out.append("}}}");
    }

    private static String emu(double points) { return String.valueOf(Math.round(points * 12700)); }

    private static int number(Colour colour) { return colour.isAutomatic() ? 0 : colour.red() | colour.green() << 8 | colour.blue() << 16; }

    private static String property(String name, String value) { return "{\\sp{\\sn " + name + "}{\\sv " + value + "}}"; }

    private void table(Table table, int depth) {
        for (int r = 0; r < table.rows().size(); r++) {
            List<StandingCell> cells = StandingCell.in(table, r);
            String definition = definition(table, r, cells);
            if (depth == 1) out.append(definition).append('\n');
            for (StandingCell one : cells) {
                Look look = writer.flat().cascade().cell(table, one.firstRow(), one.cell());
                List<Block> blocks = new ArrayList<>(one.continues() ? List.of(Paragraph.of("")) : one.cell().blocks());
                if (blocks.isEmpty() || !(blocks.get(blocks.size() - 1) instanceof Paragraph)) blocks.add(Paragraph.of(""));
                for (int i = 0; i < blocks.size(); i++)
                    block(blocks.get(i), depth, look, i < blocks.size() - 1 ? "\\par" : depth > 1 ? "\\nestcell" : "\\cell");
            }
            if (depth == 1) out.append(definition).append("\\row\n");
            else out.append("{\\*\\nesttableprops").append(definition).append("\\nestrow}{\\nonesttables\\par}\n");
        }
    }

    private String definition(Table table, int r, List<StandingCell> cells) {
        Look whole = writer.flat().cascade().table(table);
        Look row = table.rows().get(r).look();
        Insets padding = whole.get(TableProperty.PADDING, new Insets(0, 5.4, 0, 5.4));
        double start = whole.get(TableProperty.INDENT, 0.0) - padding.left();
        StringBuilder words = new StringBuilder("\\trowd\\trgaph").append(RtfLooks.twips((padding.left() + padding.right()) / 2)).append("\\trleft")
                .append(RtfLooks.twips(start));
        if (table.look().get(TableProperty.FLOATING) != null) words.append(RtfPlace.words(table.look().get(TableProperty.FLOATING)));
        Alignment alignment = whole.get(TableProperty.ALIGNMENT);
        if (alignment == Alignment.CENTRE || alignment == Alignment.END) words.append(alignment == Alignment.CENTRE ? "\\trqc" : "\\trqr");
        if (whole.is(TableProperty.FITTED)) words.append("\\trautofit1");
        if (row.is(TableProperty.HEADER_ROW)) words.append("\\trhdr");
        if (row.is(TableProperty.KEEP_ROW)) words.append("\\trkeep");
        Double height = row.get(TableProperty.ROW_HEIGHT);
        if (height != null) words.append("\\trrh").append(RtfLooks.twips(height) * (row.is(TableProperty.ROW_HEIGHT_EXACT) ? -1 : 1));
        words.append("\\trpaddl").append(RtfLooks.twips(padding.left())).append("\\trpaddr").append(RtfLooks.twips(padding.right())).append("\\trpaddt")
                .append(RtfLooks.twips(padding.top())).append("\\trpaddb").append(RtfLooks.twips(padding.bottom()))
                .append("\\trpaddfl3\\trpaddfr3\\trpaddft3\\trpaddfb3");
        List<Double> edges = new ArrayList<>(List.of(start));
        for (double width : table.columns()) edges.add(edges.get(edges.size() - 1) + width);
        for (StandingCell one : cells) {
            Look look = writer.flat().cascade().cell(table, one.firstRow(), one.cell());
            words.append('\n');
            if (one.reaches()) words.append(one.continues() ? "\\clvmrg" : "\\clvmgf");
            VerticalAlignment vertical = look.get(TableProperty.VERTICAL_ALIGNMENT);
            if (vertical != null) words.append(vertical == VerticalAlignment.CENTRE ? "\\clvertalc" : vertical == VerticalAlignment.BOTTOM ? "\\clvertalb"
                    : "\\clvertalt");
            Running running = look.get(TableProperty.RUNNING, Running.ACROSS);
            if (running != Running.ACROSS) words.append(running == Running.UP ? "\\cltxbtlr" : "\\cltxtbrl");
            Borders borders = look.get(TableProperty.BORDERS, Borders.OPEN);
            Border[] sides = {borders.top(), borders.left(), borders.bottom(), borders.right()};
            String[] names = {"\\clbrdrt", "\\clbrdrl", "\\clbrdrb", "\\clbrdrr"};
            for (int i = 0; i < 4; i++) looks.border(words, names[i], sides[i]);
            Colour shading = look.get(TableProperty.SHADING);
            if (shading != null && !shading.isAutomatic()) words.append("\\clcbpat").append(looks.colour(shading));
            Insets own = one.cell().look().get(TableProperty.PADDING);
            // The format has its upper and left padding the wrong way round (common practice).
            if (own != null) words.append("\\clpadl").append(RtfLooks.twips(own.top())).append("\\clpadt").append(RtfLooks.twips(own.left()))
                    .append("\\clpadr").append(RtfLooks.twips(own.right())).append("\\clpadb").append(RtfLooks.twips(own.bottom()))
                    .append("\\clpadfl3\\clpadft3\\clpadfr3\\clpadfb3");
            words.append("\\cellx").append(RtfLooks.twips(edges.get(Math.min(edges.size() - 1, one.cell().column() + one.cell().columnSpan()))));
        }
        return words.toString();
    }
}
