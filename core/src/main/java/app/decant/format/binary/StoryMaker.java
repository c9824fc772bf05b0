package app.decant.format.binary;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Borders;
import app.decant.document.Contents;
import app.decant.document.FormField;
import app.decant.document.Forms;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Table;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.ParagraphParts;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.slf4j.LoggerFactory;

/** Turns blocks into a story: characters with their signs for fields, notes, pictures and cells (MS-DOC 2.4.3). */
final class StoryMaker {
    static final char PARAGRAPH = '\r';
    static final char SECTION = '\f';
    private static final char PAGE = '\f';
    static final char CELL = '\u0007';
    private static final char NOTE = '\u0002';
    private static final char PICTURE = '\u0001';
    private static final char DRAWN = '\u0008';
    private static final int HYPERLINK = 88;

    final Story story = new Story();
    final DocWriter writer;
    private final boolean header;

    StoryMaker(DocWriter writer, boolean header) {
        this.writer = writer;
        this.header = header;
    }

    /** Where paragraphs stand: how deep in tables, what the table gives to their looks, the sign of the last one. */
    record Place(int depth, Look table) {
        static final Place BODY = new Place(0, Look.PLAIN);

        Properties properties() {
            Properties made = new Properties();
            if (depth > 0) made.flag(0x2416, true).four(0x6649, depth);
            return made;
        }
    }

    /** All blocks; a table at the end gets a paragraph behind it, as the format asks. */
    void blocks(List<? extends Block> blocks, Place place) {
        for (Block block : blocks) block(block, place, PARAGRAPH);
        if (blocks.isEmpty() || !(blocks.get(blocks.size() - 1) instanceof Paragraph))
            paragraph(Paragraph.of(""), place, PARAGRAPH, null, false, new Properties());
    }

    void block(Block block, Place place, char mark) {
        if (block instanceof Paragraph paragraph) paragraph(paragraph, place, mark, null, false, new Properties());
        else if (block instanceof Contents contents) contents(contents, place);
        else if (block instanceof Table table) new TableMaker(this).table(table, place);
        else if (block instanceof OpaqueBlock) writer.lose("opaque");
    }

    private void contents(Contents contents, Place place) {
        List<Paragraph> entries = contents.entries().isEmpty() ? List.of(Paragraph.of("")) : contents.entries();
        String instruction = " " + contents.field() + " ";
        for (int i = 0; i < entries.size(); i++)
            paragraph(entries.get(i), place, PARAGRAPH, i == 0 ? instruction : null, i == entries.size() - 1, new Properties());
    }

    /** The cell mark takes the place of the last paragraph's. */
    void cell(List<? extends Block> blocks, Place place) {
        List<Block> all = new ArrayList<>(blocks);
        if (all.isEmpty() || !(all.get(all.size() - 1) instanceof Paragraph)) all.add(Paragraph.of(""));
        for (int i = 0; i < all.size() - 1; i++) block(all.get(i), place, PARAGRAPH);
        Properties inner = place.depth() > 1 ? new Properties().flag(0x244B, true) : new Properties();
        paragraph((Paragraph) all.get(all.size() - 1), place, place.depth() > 1 ? PARAGRAPH : CELL, null, false, inner);
    }

    /** A page's end ends a paragraph, too. */
    void paragraph(Paragraph told, Place place, char mark, String opens, boolean closes, Properties more) {
        List<ParagraphParts.Part> parts = ParagraphParts.of(told, writer.cascade(), place.table(), String.valueOf(Inline.PAGE_BREAK));
        for (int i = 0; i < parts.size(); i++) {
            boolean last = i == parts.size() - 1;
            part(parts.get(i).paragraph(), place, last ? mark : PAGE, i == 0 ? opens : null, last && closes, last ? more : new Properties());
        }
    }

    private void part(Paragraph told, Place place, char mark, String opens, boolean closes, Properties more) {
        Paragraph paragraph = Forms.sound(told);
        List<TextBox> behind = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) {
            if (!(inline instanceof Inline.Floating floating) || !(floating.content() instanceof TextBox box)) continue;
            // Frames are of paragraphs of the text itself: what holds tables, or stands in one, stands behind its paragraph.
            if (place.depth() > 0 || !box.blocks().stream().allMatch(Paragraph.class::isInstance)) behind.add(box);
            else framed(box, floating.anchor(), place);
        }
        if (opens != null) begin(opens, 13);
        Link open = null;
        List<Forms.Span> forms = Forms.spans(paragraph);
        for (int i = 0; i < paragraph.inlines().size(); i++) {
            Inline inline = paragraph.inlines().get(i);
            Link link = inline.look().get(TextProperty.LINK);
            if (inline.length() > 0 && !Objects.equals(link, open)) {
                if (open != null) story.field('\u0015', 0x80, new Properties());
                if (link != null) begin(link instanceof Link.Address address ? " HYPERLINK \"" + address.uri().replace("\"", "%22") + "\" "
                        : " HYPERLINK \\l \"" + ((Link.Inside) link).bookmark() + "\" ", HYPERLINK);
                open = link;
            }
            Forms.Span form = Forms.at(forms, i);
            if (form != null && form.from() == i) beginForm(form, text(paragraph, inline.look(), place));
            if (form == null || !form.isShownByData() || inline.length() == 0) inline(inline, paragraph, place);
            if (form != null && form.to() == i + 1) story.field('\u0015', 0x80, new Properties());
        }
        if (open != null) story.field('\u0015', 0x80, new Properties());
        if (closes) story.field('\u0015', 0x80, new Properties());
        int style = Math.max(0, writer.styles().number(paragraph.style()));
        Properties properties = place.properties().all(writer.looks().paragraph(writer.flat().paragraph(paragraph, place.table()), writer.lists()::number))
                .all(more);
        boolean ends = mark != PARAGRAPH && !behind.isEmpty();
        story.end(ends ? PARAGRAPH : mark, text(paragraph, paragraph.mark(), place), style, properties);
        for (TextBox box : behind) {
            for (Block block : box.blocks()) block(block, place, PARAGRAPH);
            writer.simplify("boxes");
        }
        // What ends a cell stands at its end.
        if (ends) paragraph(Paragraph.styled(paragraph.style(), ""), place, mark, null, false, more);
    }

    private Properties text(Paragraph paragraph, Look own, Place place) { return writer.looks().text(writer.flat().text(paragraph, own, place.table())); }

    private void begin(String instruction, int kind) {
        story.field('\u0013', kind, new Properties());
        story.run(instruction, new Properties());
        story.field('\u0014', 0xFF, new Properties());
    }

    /** A field round what is filled in, and a sign that leads to its data (2.9.90, flt; 2.6.1, sprmCFData). */
    private void beginForm(Forms.Span form, Properties properties) {
        boolean tick = form.kind() == FormField.Kind.TICK;
        boolean choice = form.kind() == FormField.Kind.CHOICE;
        story.field('\u0013', tick ? 71 : choice ? 83 : 70, properties);
        story.run(tick ? " FORMCHECKBOX " : choice ? " FORMDROPDOWN " : " FORMTEXT ", properties);
        int data = writer.data(FormData.of(form));
        story.special(PICTURE, new Properties().all(properties).four(0x6A03, data).flag(0x0806, true));
        story.field('\u0014', 0xFF, properties);
    }

    private void inline(Inline inline, Paragraph paragraph, Place place) {
        Properties properties = text(paragraph, inline.look(), place);
        if (inline instanceof Inline.Text run) {
            story.run(signs(run.text()), properties);
        } else if (inline instanceof Inline.Field field) {
            field(field, properties);
        } else if (inline instanceof Inline.Note note) {
            note(note, properties);
        } else if (inline instanceof Inline.BookmarkPoint point) {
            if (point.start()) story.bookmarkStarts.putIfAbsent(point.name(), story.length());
            else story.bookmarkEnds.putIfAbsent(point.name(), story.length());
        } else if (inline instanceof Inline.InlinePicture picture) {
            picture(picture.picture(), properties);
        } else if (inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture) {
            floating(picture, floating.anchor(), properties);
        } else if (inline instanceof Inline.OpaqueInline opaque) {
            if (opaque.opaque().likeness() != null) picture(opaque.opaque().likeness(), properties);
            else writer.lose("opaque");
        }
    }

    private static String signs(String text) {
        StringBuilder signs = new StringBuilder(text.length());
        for (char c : text.toCharArray()) {
            signs.append(switch (c) {
                case Inline.LINE_BREAK -> '\u000B';
                case Inline.PAGE_BREAK -> '\f';
                case Inline.COLUMN_BREAK -> '\u000E';
                case '\u2011' -> '\u001E';
                case '\u00AD' -> '\u001F';
                default -> c < ' ' && c != '\t' ? ' ' : c;
            });
        }
        return signs.toString();
    }

    private void field(Inline.Field field, Properties properties) {
        if (field.kind() == Inline.Field.Kind.NOTE_MARK) {
            story.special(NOTE, properties);
            return;
        }
        int[] kinds = {33, 26, 65, 31, 32, 15, 17, 29, 3, 37, 0, 35};
        story.field('\u0013', kinds[field.kind().ordinal()], properties);
        story.run(" " + field.asked() + " ", properties);
        story.field('\u0014', 0xFF, properties);
        story.run(signs(field.result()), properties);
        story.field('\u0015', 0x80, properties);
    }

    private void note(Inline.Note note, Properties properties) {
        boolean foot = note.kind() == Inline.Note.Kind.FOOTNOTE;
        (foot ? story.footnotes : story.endnotes).add(new Story.Reference(story.length(), note.mark() == null));
        writer.note(note);
        if (note.mark() == null) story.special(NOTE, properties);
        else story.run(note.mark(), properties);
    }

    private void picture(Picture picture, Properties properties) {
        try {
            int place = writer.data(writer.drawings().inline(picture));
            story.special(PICTURE, new Properties().all(properties).four(0x6A03, place));
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(StoryMaker.class).info("A picture can't be written: {}", picture.image(), e);
            writer.lose("picture");
        }
    }

    /** 2.9.253, Spa: the box, what it is measured from, how text runs round it. */
    private void floating(Picture picture, Anchor anchor, Properties properties) {
        if (story.length() > 0 && header && writer.isInNote()) {
            picture(picture, properties);
            return;
        }
        try {
            int shape = writer.drawings().add(picture, anchor.level(), header);
            Anchor.Horizontal across = anchor.horizontal();
            Anchor.Vertical down = anchor.vertical();
            int left = LookProperties.twips(across.alignment() == null ? across.offset() : aligned(across, picture.width()));
            int top = LookProperties.twips(down.alignment() == null ? down.offset() : aligned(down, picture.height()));
            int width = LookProperties.twips(picture.width());
            int height = LookProperties.twips(picture.height());
            // Pictures that stand nearer to their side have their box told for that (MS-ODRAW 2.2.39; from memory).
            double turn = (picture.rotation() % 180 + 180) % 180;
            if (turn >= 45 && turn < 135) {
                left += (width - height) / 2;
                top += (height - width) / 2;
                int side = width;
                width = height;
                height = side;
            }
            int fromX = across.from() == Anchor.Horizontal.From.PAGE ? 1 : across.from() == Anchor.Horizontal.From.MARGIN ? 0 : 2;
            int fromY = down.from() == Anchor.Vertical.From.PAGE ? 1 : down.from() == Anchor.Vertical.From.MARGIN ? 0 : 2;
            int wrap = anchor.wrap() == Anchor.Wrap.TOP_AND_BOTTOM ? 1 : anchor.wrap() == Anchor.Wrap.NONE ? 3 : 2;
            int flags = (header ? 1 : 0) | fromX << 1 | fromY << 3 | wrap << 5 | (anchor.behind() ? 1 << 14 : 0);
            story.anchored.add(new Story.Anchored(story.length(), shape, left, top, left + width, top + height, flags));
            story.special(DRAWN, properties);
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(StoryMaker.class).info("A picture can't be written: {}", picture.image(), e);
            writer.lose("picture");
        }
    }

    private double aligned(Anchor.Horizontal across, double width) {
        double all = across.from() == Anchor.Horizontal.From.PAGE ? writer.page().width() : writer.page().textWidth();
        return across.alignment() == Alignment.CENTRE ? (all - width) / 2 : across.alignment() == Alignment.END ? all - width : 0;
    }

    private double aligned(Anchor.Vertical down, double height) {
        if (down.from() != Anchor.Vertical.From.PAGE && down.from() != Anchor.Vertical.From.MARGIN) return 0;
        double all = down.from() == Anchor.Vertical.From.PAGE ? writer.page().height() : writer.page().height() - writer.page().top() - writer.page().bottom();
        return down.alignment() == VerticalAlignment.CENTRE ? (all - height) / 2 : down.alignment() == VerticalAlignment.BOTTOM ? all - height : 0;
    }

    /** A text box becomes paragraphs in a frame of its place and width (2.6.2, sprmPDxaAbs and following). */
    private void framed(TextBox box, Anchor anchor, Place place) {
        if (box.running() != Running.ACROSS) writer.lose("running");
        Anchor.Horizontal across = anchor.horizontal();
        Anchor.Vertical down = anchor.vertical();
        int fromX = across.from() == Anchor.Horizontal.From.PAGE ? 2 : across.from() == Anchor.Horizontal.From.MARGIN ? 1 : 0;
        int fromY = down.from() == Anchor.Vertical.From.PAGE ? 1 : down.from() == Anchor.Vertical.From.MARGIN ? 0 : 2;
        int x = across.alignment() == null ? frame(across.offset()) : across.alignment() == Alignment.CENTRE ? -4 : across.alignment() == Alignment.END ? -8
                : 0;
        int y = down.alignment() == null ? frame(down.offset()) : down.alignment() == VerticalAlignment.CENTRE ? -8
                : down.alignment() == VerticalAlignment.BOTTOM ? -12 : -4;
        Properties frame = new Properties().one(0x261B, fromY << 4 | fromX << 6).two(0x8418, x).two(0x8419, y).two(0x841A, LookProperties.twips(box.width()))
                .one(0x2423, anchor.wrap() == Anchor.Wrap.NONE ? 3 : 2)
                .two(0x842F, LookProperties.twips(anchor.distance().left())).two(0x842E, LookProperties.twips(anchor.distance().top()));
        if (!box.grows()) frame.two(0x442B, LookProperties.twips(box.height()) & 0x7FFF);
        Look dress = Look.PLAIN;
        if (box.border() != null && box.border().isVisible()) dress = dress.with(ParagraphProperty.BORDERS, Borders.all(box.border()));
        if (box.fill() != null) dress = dress.with(ParagraphProperty.SHADING, box.fill());
        for (Block block : box.blocks()) {
            if (block instanceof Paragraph paragraph) paragraph(paragraph.withLook(paragraph.look().over(dress)), place, PARAGRAPH, null, false, frame);
            else block(block, place, PARAGRAPH);
        }
        writer.simplify("boxes");
    }

    /** Zero and small negative numbers have other meanings, so a frame at the very edge stands a twentieth of a point off. */
    private static int frame(double offset) {
        int twips = LookProperties.twips(offset);
        return twips <= 0 && twips >= -20 ? 1 : twips;
    }
}
