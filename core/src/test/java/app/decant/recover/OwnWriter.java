package app.decant.recover;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.write.PdfWriter;
import app.decant.recover.Specimen.Frame;
import app.decant.recover.Specimen.Piece;
import app.decant.recover.Specimen.Trait;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/** Publishes specimens through Decant's own layout and PDF writer. */
final class OwnWriter {
    private final Specimen specimen;
    private final List<Section> sections = new ArrayList<>();
    private List<Block> blocks = new ArrayList<>();
    private Section.PageGeometry page = Section.PageGeometry.A4;
    private boolean newPage;

    private OwnWriter(Specimen specimen) { this.specimen = specimen; }

    static PagedDocument pages(Specimen specimen) { return Layout.of(new OwnWriter(specimen).document(), FontCatalogue.shipped()); }

    static byte[] write(Specimen specimen, boolean bookmarks) { return write(pages(specimen), bookmarks); }

    static byte[] write(PagedDocument pages, boolean bookmarks) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            PdfChoices choices = new PdfChoices(IntStream.range(0, pages.count()).boxed().toList(), PdfStyle.PLAIN.tagged(false)
                    .with(bookmarks ? new PdfChoices.Bookmarks(1, 9, 1) : PdfChoices.Bookmarks.NONE), Facts.NONE, Instant.EPOCH);
            PdfWriter.write(pages, choices, out, Progress.SILENT);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Document document() {
        Specimen.Manner manner = specimen.manner();
        if (manner.is(Trait.BOOKLET)) page = new Section.PageGeometry(manner.width(), manner.height(), 60, manner.margin(), 60, manner.margin(), 30, 30, 0);
        if (specimen.turned()) page = new Section.PageGeometry(page.height(), page.width(), page.top(), page.right(), page.bottom(), page.left(),
                page.header(), page.footer(), 0);
        for (Piece piece : specimen.pieces()) add(piece);
        end(Section.Columns.ONE);
        Map<String, Style> styles = new LinkedHashMap<>();
        Look normal = Look.of(ParagraphProperty.SPACE_AFTER, manner.gap()).with(ParagraphProperty.ALIGNMENT,
                specimen.justified() ? Alignment.JUSTIFY : Alignment.START);
        styles.put("Normal", new Style("Normal", "Normal", Style.Kind.PARAGRAPH, null, null, normal));
        for (int level = 1; level <= 3; level++) {
            styles.put("Heading" + level, new Style("Heading" + level, "heading " + level, Style.Kind.PARAGRAPH, "Normal", "Normal",
                    Look.of(TextProperty.FAMILY, manner.is(Trait.SERIF_HEADS) ? "Liberation Serif" : "Liberation Sans").with(TextProperty.BOLD, true)
                    .with(TextProperty.SIZE, manner.headSize(level)).with(TextProperty.COLOUR, Colour.hex(manner.headColour()))
                    .with(ParagraphProperty.SPACE_BEFORE, 14.0).with(ParagraphProperty.SPACE_AFTER, 6.0).with(ParagraphProperty.OUTLINE_LEVEL, level)
                    .with(ParagraphProperty.KEEP_WITH_NEXT, true)
                            .with(ParagraphProperty.ALIGNMENT, manner.is(Trait.CENTRED_HEADS) ? Alignment.CENTRE : Alignment.START)));
        }
        styles.put("Body", new Style("Body", "body", Style.Kind.PARAGRAPH, "Normal", "Normal", Look.of(ParagraphProperty.FIRST_LINE, manner.indent())));
        StyleSheet sheet = new StyleSheet(Look.of(TextProperty.FAMILY, manner.is(Trait.SANS) ? "Liberation Sans" : "Liberation Serif")
                .with(TextProperty.SIZE, manner.size())
                .with(ParagraphProperty.WIDOW_CONTROL, true), "Normal", null, styles);
        return new Document(Facts.NONE, sheet, numbering(), sections, false, 36, List.of());
    }

    private static Numbering numbering() {
        Numbering.Level bullet = new Numbering.Level(NumberFormat.BULLET, 1, "•", Numbering.Suffix.TAB, null, null, Look.of(ParagraphProperty.INDENT_START,
                30.0).with(ParagraphProperty.FIRST_LINE, -15.0));
        Numbering.Level number = new Numbering.Level(NumberFormat.DECIMAL, 1, "%1.", Numbering.Suffix.TAB, null, null,
                Look.of(ParagraphProperty.INDENT_START, 30.0).with(ParagraphProperty.FIRST_LINE, -18.0));
        Numbering.Level letter = new Numbering.Level(NumberFormat.LOWER_LETTER, 1, "%2)", Numbering.Suffix.TAB, null, null,
                Look.of(ParagraphProperty.INDENT_START, 54.0).with(ParagraphProperty.FIRST_LINE, -18.0));
        Numbering.Level second = new Numbering.Level(NumberFormat.BULLET, 1, "•", Numbering.Suffix.TAB, null, null, Look.of(ParagraphProperty.INDENT_START,
                54.0).with(ParagraphProperty.FIRST_LINE, -15.0));
        return Numbering.NONE.with(new Numbering.Pattern("b", List.of(bullet, second)), new Numbering.NumberedList("bullets", "b", Map.of(), Map.of()))
                .with(new Numbering.Pattern("n", List.of(number, letter)), new Numbering.NumberedList("numbers", "n", Map.of(), Map.of()));
    }

    private void end(Section.Columns columns) {
        if (blocks.isEmpty()) return;
        Map<Section.FramePlace, List<Block>> frames = new HashMap<>();
        if (specimen.head() != null) frames.put(Section.FramePlace.HEADER, List.of(Paragraph.of(specimen.head())));
        if (specimen.foot() != null)
            frames.put(Section.FramePlace.FOOTER, List.of(new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, Alignment.CENTRE), Look.PLAIN,
                    List.of(new Inline.Text(specimen.foot() + " ", Look.PLAIN), new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "1", Look.PLAIN)))));
        sections.add(new Section(sections.isEmpty() ? Section.Start.NEXT_PAGE : Section.Start.CONTINUOUS, page, columns, Section.PageNumbering.CONTINUED,
                frames, false, blocks));
        blocks = new ArrayList<>();
    }

    private void add(Paragraph paragraph) {
        blocks.add(newPage ? paragraph.withLook(paragraph.look().with(ParagraphProperty.PAGE_BREAK_BEFORE, true)) : paragraph);
        newPage = false;
    }

    private void add(Piece piece) {
        if (piece instanceof Specimen.Head head) {
            if (head.odd()) add(new Paragraph(null, Look.of(ParagraphProperty.OUTLINE_LEVEL, head.level()).with(ParagraphProperty.SPACE_BEFORE, 10.0),
                    Look.PLAIN, List.of(new Inline.Text(head.text(), Look.of(TextProperty.BOLD, true)))));
            else add(Paragraph.styled("Heading" + head.level(), head.text()));
        } else if (piece instanceof Specimen.Para para) {
            add(Paragraph.styled("Body", para.text()));
        } else if (piece instanceof Specimen.Linked linked) {
            add(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(linked.text() + " ", Look.PLAIN),
                    new Inline.Text(linked.shown(), Look.of(TextProperty.LINK, new Link.Address(linked.address())).with(TextProperty.COLOUR,
                    Colour.hex("224488"))))));
        } else if (piece instanceof Specimen.Noted noted) {
            Paragraph note = new Paragraph(null, Look.PLAIN, Look.of(TextProperty.SIZE, 9.0),
                    List.of(new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "", Look.of(TextProperty.SIZE, 9.0).with(TextProperty.SCRIPT,
                    TextProperty.Script.SUPER)), new Inline.Text(" " + noted.note(), Look.of(TextProperty.SIZE, 9.0))));
            add(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(noted.text(), Look.PLAIN), new Inline.Note(Inline.Note.Kind.FOOTNOTE,
                    List.of(note), null, Look.of(TextProperty.SCRIPT, TextProperty.Script.SUPER)))));
        } else if (piece instanceof Specimen.Item item) {
            boolean counted = item.label().matches(item.level() == 0 ? "\\d+\\." : "[a-z]\\)");
            if (!counted && !item.label().equals("•")) {
                // As many write them: the label, a tab, and the text hanging behind it.
                add(new Paragraph(null, Look.of(ParagraphProperty.INDENT_START, 30.0 + 24 * item.level()).with(ParagraphProperty.FIRST_LINE, -28.0)
                        .with(ParagraphProperty.SPACE_AFTER, 3.0), Look.PLAIN, List.of(new Inline.Text(item.label() + "\t" + item.text(), Look.PLAIN))));
                return;
            }
            String list = item.label().equals("•") ? "bullets" : "numbers";
            add(new Paragraph(null, Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(list, item.level()))
                    .with(ParagraphProperty.SPACE_AFTER, 3.0), Look.PLAIN, List.of(new Inline.Text(item.text(), Look.PLAIN))));
        } else if (piece instanceof Specimen.Grid grid) {
            blocks.add(table(grid));
        } else if (piece instanceof Specimen.Pic pic) {
            add(new Paragraph(null, Look.PLAIN, Look.PLAIN,
                    List.of(new Inline.InlinePicture(new Picture(new Image("image/png", FormattingObjects.png((int) pic.width(), (int) pic.height())),
                    pic.width(), pic.height(), null), Look.PLAIN))));
        } else if (piece instanceof Specimen.Toc toc) {
            List<Paragraph> entries = new ArrayList<>();
            for (int i = 0; i < toc.titles().size(); i++) {
                TabStops stops = new TabStops(List.of(new TabStop(page.textWidth(), TabStop.Kind.END, TabStop.Leader.DOTS)));
                entries.add(new Paragraph(null, Look.of(ParagraphProperty.TABS, stops).with(ParagraphProperty.INDENT_START, (toc.levels().get(i) - 1) * 14.0)
                        .with(ParagraphProperty.ALIGNMENT, Alignment.START), Look.PLAIN,
                        List.of(new Inline.Text(toc.titles().get(i) + "\t" + toc.pages().get(i), Look.PLAIN))));
            }
            blocks.add(new Contents(1, 2, entries));
        } else if (piece instanceof Specimen.Columns columns) {
            end(Section.Columns.ONE);
            for (int c = 0; c < columns.columns().size(); c++) {
                columns.columns().get(c).forEach(this::add);
                if (c + 1 == columns.columns().size()) continue;
                Paragraph last = (Paragraph) blocks.get(blocks.size() - 1);
                List<Inline> inlines = new ArrayList<>(last.inlines());
                inlines.add(new Inline.Text(String.valueOf(Inline.COLUMN_BREAK), Look.PLAIN));
                blocks.set(blocks.size() - 1, last.withInlines(inlines));
            }
            end(new Section.Columns(columns.columns().size(), 20, false, List.of()));
        } else if (piece instanceof Specimen.Defined defined) {
            add(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(defined.term(), Look.of(TextProperty.BOLD, true)),
                    new Inline.Text(" " + defined.text(), Look.PLAIN))));
        } else if (piece instanceof Specimen.Lines lines) {
            add(new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, Alignment.START), Look.PLAIN,
                    List.of(new Inline.Text(String.join("\n", lines.lines()), Look.PLAIN))));
        } else if (piece instanceof Specimen.Quote quote) {
            add(new Paragraph(null, Look.of(ParagraphProperty.INDENT_START, 30.0).with(ParagraphProperty.INDENT_END, 30.0), Look.PLAIN,
                    List.of(new Inline.Text(quote.text(), Look.of(TextProperty.ITALIC, true)))));
        } else if (piece instanceof Specimen.Caption caption) {
            add(new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, Alignment.CENTRE), Look.PLAIN,
                    List.of(new Inline.Text(caption.text(), Look.of(TextProperty.SIZE, specimen.manner().size() - 1.5)))));
        } else if (piece instanceof Specimen.Panel panel) {
            for (Piece inner : panel.pieces())
                add(new Paragraph(null, Look.of(ParagraphProperty.SHADING, Colour.hex("E4EDF5")), Look.PLAIN,
                        List.of(new Inline.Text(((Specimen.Para) inner).text(), Look.PLAIN))));
        } else if (piece instanceof Specimen.Flow flow) {
            end(Section.Columns.ONE);
            flow.pieces().forEach(this::add);
            end(new Section.Columns(flow.columns(), 18, false, List.of()));
        } else if (piece instanceof Specimen.Dated dated) {
            add(new Paragraph(null, Look.of(ParagraphProperty.INDENT_START, 60.0).with(ParagraphProperty.FIRST_LINE, -60.0), Look.PLAIN,
                    List.of(new Inline.Text(dated.date() + "\t" + dated.text(), Look.PLAIN))));
        } else if (piece instanceof Specimen.Aside aside) {
            Look small = Look.of(TextProperty.SIZE, 8.0).with(TextProperty.ITALIC, true);
            TextBox box = new TextBox(List.of(new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, Alignment.START), small,
                    List.of(new Inline.Text(aside.note(), small)))), 80, 30, false, TableProperty.Insets.NONE, null, null);
            Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, 450), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH,
                    null, 0), Anchor.Wrap.NONE, TableProperty.Insets.NONE, false);
            add(new Paragraph(null, Look.of(ParagraphProperty.INDENT_END, 90.0), Look.PLAIN, List.of(new Inline.Floating(anchor, box, Look.PLAIN),
                    new Inline.Text(aside.text(), Look.PLAIN))));
        } else if (piece instanceof Specimen.Address address) {
            for (int i = 0; i < address.lines().size(); i++)
                add(new Paragraph(null, Look.of(ParagraphProperty.SPACE_AFTER, i + 1 == address.lines().size() ? 18.0 : 0.0), Look.PLAIN,
                        List.of(new Inline.Text(address.lines().get(i), Look.PLAIN))));
        } else if (piece instanceof Specimen.RightToLeft right) {
            add(new Paragraph(null, Look.of(ParagraphProperty.RIGHT_TO_LEFT, true).with(ParagraphProperty.ALIGNMENT, Alignment.START), Look.PLAIN,
                    List.of(new Inline.Text(right.text(), Look.of(TextProperty.RIGHT_TO_LEFT, true).with(TextProperty.FAMILY, "DejaVu Sans")
                    .with(TextProperty.COMPLEX_FAMILY, "DejaVu Sans")))));
        } else if (piece instanceof Specimen.NewPage) {
            newPage = true;
        }
    }

    private static Table table(Specimen.Grid grid) {
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < grid.rows().size(); r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < grid.rows().get(r).size(); c++) {
                Look look = r == 0 ? Look.of(TextProperty.BOLD, true) : Look.PLAIN;
                boolean shaded = r == 0 && grid.frame() == Frame.SHADED;
                if (shaded) look = look.with(TextProperty.COLOUR, Colour.hex("FFFFFF"));
                Look paragraph = Look.of(ParagraphProperty.SPACE_AFTER, 2.0).with(ParagraphProperty.SPACE_BEFORE, 2.0).with(ParagraphProperty.ALIGNMENT,
                        Alignment.START);
                cells.add(new Table.Cell(c, 1, 1, shaded ? Look.of(TableProperty.SHADING, Colour.hex("1F4E79")) : cellLook(grid, r),
                        List.of(new Paragraph(null, paragraph, Look.PLAIN, List.of(new Inline.Text(grid.rows().get(r).get(c), look))))));
            }
            rows.add(new Table.Row(r == 0 ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells));
        }
        return new Table(grid.ruled() ? Look.of(TableProperty.BORDERS, Borders.all(Border.single(0.5, Colour.BLACK))) : Look.PLAIN, grid.widths(), rows);
    }

    /** The three rules of a table in a book. */
    private static Look cellLook(Specimen.Grid grid, int row) {
        if (grid.frame() != Frame.BOOK) return Look.PLAIN;
        Border rule = Border.single(0.75, Colour.BLACK);
        boolean last = row == grid.rows().size() - 1;
        if (row > 0 && !last) return Look.PLAIN;
        return Look.of(TableProperty.BORDERS, new Borders(row == 0 ? rule : null, null, rule, null, null, null));
    }
}
