package app.decant.recover;

import app.decant.font.FontCatalogue;
import app.decant.recover.Specimen.Piece;
import app.decant.recover.Specimen.Trait;
import com.lowagie.text.Anchor;
import com.lowagie.text.Chunk;
import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.HeaderFooter;
import com.lowagie.text.Image;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.BaseFont;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import com.lowagie.text.pdf.draw.DottedLineSeparator;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;

/** Publishes specimens through OpenPDF, a library of its own: embedded subset fonts, lines justified by word spacing, no tags. */
final class OpenWriter {
    private final BaseFont serif = font("LiberationSerif-Regular.ttf");
    private final BaseFont serifItalic = font("LiberationSerif-Italic.ttf");
    private final BaseFont serifBold = font("LiberationSerif-Bold.ttf");
    private final BaseFont sansBold = font("LiberationSans-Bold.ttf");
    private final BaseFont sans = font("LiberationSans-Regular.ttf");
    private final Specimen specimen;
    private final Specimen.Manner manner;
    private final Document document;

    private OpenWriter(Specimen specimen) {
        this.specimen = specimen;
        this.manner = specimen.manner();
        float margin = (float) manner.margin();
        this.document = new Document(new Rectangle((float) manner.width(), (float) manner.height()), margin, margin, margin, margin);
    }

    static boolean takes(Specimen specimen) {
        return List.of(Specimen.Noted.class, Specimen.Dated.class, Specimen.Flow.class, Specimen.RightToLeft.class).stream().noneMatch(specimen::has);
    }

    static byte[] write(Specimen specimen) { return new OpenWriter(specimen).run(); }

    private static BaseFont font(String file) {
        try (InputStream in = FontCatalogue.class.getResourceAsStream(file)) {
            return BaseFont.createFont(file, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, true, in.readAllBytes(), null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private byte[] run() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfWriter.getInstance(document, out);
        if (specimen.head() != null) {
            HeaderFooter header = new HeaderFooter(new Phrase(specimen.head(), new Font(serif, 9)), false);
            header.setBorder(Rectangle.NO_BORDER);
            document.setHeader(header);
        }
        if (specimen.foot() != null) {
            HeaderFooter footer = new HeaderFooter(new Phrase(specimen.foot() + " ", new Font(serif, 9)), true);
            footer.setBorder(Rectangle.NO_BORDER);
            footer.setAlignment(Element.ALIGN_CENTER);
            document.setFooter(footer);
        }
        document.open();
        for (Piece piece : specimen.pieces()) add(piece);
        document.close();
        return out.toByteArray();
    }

    private Font body() { return new Font(manner.is(Trait.SANS) ? sans : serif, (float) manner.size()); }
    private Font bold(double size) { return new Font(manner.is(Trait.SANS) ? sansBold : serifBold, (float) size); }
    private float leading() { return (float) manner.leading(); }

    private Paragraph paragraph(String text) {
        Paragraph paragraph = new Paragraph(leading(), text, body());
        paragraph.setSpacingAfter((float) manner.gap());
        paragraph.setAlignment(specimen.justified() ? Element.ALIGN_JUSTIFIED : Element.ALIGN_LEFT);
        return paragraph;
    }

    private void add(Piece piece) {
        Element element = element(piece);
        if (element != null) document.add(element);
        else if (piece instanceof Specimen.NewPage) document.newPage();
        else if (piece instanceof Specimen.Address address) address.lines().forEach(line -> document.add(new Paragraph(leading(), line, body())));
        else if (piece instanceof Specimen.Toc toc) for (int i = 0; i < toc.titles().size(); i++) document.add(entry(toc, i));
        if (piece instanceof Specimen.Address) document.add(new Paragraph(leading(), " ", body()));
    }

    private Paragraph entry(Specimen.Toc toc, int i) {
        Paragraph entry = new Paragraph(15, toc.titles().get(i), body());
        entry.setIndentationLeft((toc.levels().get(i) - 1) * 16);
        entry.add(new Chunk(new DottedLineSeparator()));
        entry.add(new Chunk(String.valueOf(toc.pages().get(i)), body()));
        return entry;
    }

    private Element element(Piece piece) {
        if (piece instanceof Specimen.Head head) {
            double size = head.odd() ? manner.size() : manner.headSize(head.level());
            Font font = head.odd() || manner.is(Trait.SERIF_HEADS) ? new Font(serifBold, (float) size) : new Font(sansBold, (float) size);
            font.setColor(Color.decode("#" + manner.headColour()));
            Paragraph heading = new Paragraph((float) size * 1.3f, head.text(), font);
            if (manner.is(Trait.CENTRED_HEADS)) heading.setAlignment(Element.ALIGN_CENTER);
            heading.setSpacingBefore(10);
            heading.setSpacingAfter(5);
            return heading;
        }
        if (piece instanceof Specimen.Para para) {
            Paragraph paragraph = paragraph(para.text());
            paragraph.setFirstLineIndent((float) manner.indent());
            return paragraph;
        }
        if (piece instanceof Specimen.Defined defined) {
            Paragraph paragraph = paragraph("");
            paragraph.add(new Chunk(defined.term(), bold(manner.size())));
            paragraph.add(new Chunk(" " + defined.text(), body()));
            return paragraph;
        }
        if (piece instanceof Specimen.Lines lines) {
            Paragraph paragraph = paragraph(String.join("\n", lines.lines()));
            paragraph.setAlignment(Element.ALIGN_LEFT);
            return paragraph;
        }
        if (piece instanceof Specimen.Quote quote) {
            Paragraph paragraph = new Paragraph(leading(), quote.text(), new Font(serifItalic, (float) manner.size()));
            paragraph.setIndentationLeft(30);
            paragraph.setIndentationRight(30);
            paragraph.setSpacingAfter(7);
            return paragraph;
        }
        if (piece instanceof Specimen.Caption caption) {
            Paragraph paragraph = new Paragraph(leading(), caption.text(), new Font(serif, (float) manner.size() - 1.5f));
            paragraph.setAlignment(Element.ALIGN_CENTER);
            paragraph.setSpacingAfter(7);
            return paragraph;
        }
        if (piece instanceof Specimen.Panel panel) {
            PdfPTable table = new PdfPTable(1);
            table.setWidthPercentage(100);
            PdfPCell cell = new PdfPCell();
            cell.setBackgroundColor(Color.decode("#E4EDF5"));
            cell.setPadding(6);
            for (Piece inner : panel.pieces()) cell.addElement(element(inner));
            table.addCell(cell);
            table.setSpacingAfter(10);
            return table;
        }
        if (piece instanceof Specimen.Linked linked) {
            Paragraph paragraph = paragraph(linked.text() + " ");
            Anchor anchor = new Anchor(linked.shown(), new Font(serif, (float) manner.size(), Font.UNDERLINE));
            anchor.setReference(linked.address());
            paragraph.add(anchor);
            return paragraph;
        }
        if (piece instanceof Specimen.Item item) {
            Paragraph paragraph = new Paragraph(leading(), item.label() + " " + item.text(), body());
            paragraph.setIndentationLeft(30 + 20 * item.level());
            paragraph.setFirstLineIndent(-(body().getBaseFont().getWidthPoint(item.label() + " ", (float) manner.size())));
            paragraph.setSpacingAfter(3);
            return paragraph;
        }
        if (piece instanceof Specimen.Grid grid) return table(grid);
        if (piece instanceof Specimen.Pic pic) {
            try {
                Image image = Image.getInstance(FormattingObjects.png((int) pic.width(), (int) pic.height()));
                image.scaleAbsolute((float) pic.width(), (float) pic.height());
                image.setSpacingAfter(8);
                return image;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        if (piece instanceof Specimen.Columns columns) {
            PdfPTable table = new PdfPTable(columns.columns().size());
            table.setWidthPercentage(100);
            for (List<Piece> column : columns.columns()) {
                PdfPCell cell = new PdfPCell();
                cell.setBorder(Rectangle.NO_BORDER);
                cell.setPaddingRight(12);
                for (Piece inner : column) cell.addElement(element(inner));
                table.addCell(cell);
            }
            table.setSpacingAfter(10);
            return table;
        }
        if (piece instanceof Specimen.Aside aside) {
            PdfPTable table = new PdfPTable(new float[] {3.4f, 1});
            table.setWidthPercentage(100);
            PdfPCell text = new PdfPCell();
            text.setBorder(Rectangle.NO_BORDER);
            text.addElement(paragraph(aside.text()));
            PdfPCell note = new PdfPCell();
            note.setBorder(Rectangle.NO_BORDER);
            note.setPaddingLeft(14);
            note.addElement(new Paragraph(10, aside.note(), new Font(serifItalic, 8)));
            table.addCell(text);
            table.addCell(note);
            return table;
        }
        return null;
    }

    private PdfPTable table(Specimen.Grid grid) {
        float[] widths = new float[grid.widths().size()];
        for (int i = 0; i < widths.length; i++) widths[i] = grid.widths().get(i).floatValue();
        PdfPTable table = new PdfPTable(widths);
        table.setTotalWidth(widths);
        table.setLockedWidth(true);
        table.setHorizontalAlignment(Element.ALIGN_LEFT);
        table.setHeaderRows(1);
        table.setSpacingBefore(4);
        table.setSpacingAfter(8);
        for (int r = 0; r < grid.rows().size(); r++) {
            for (String text : grid.rows().get(r)) {
                boolean shaded = r == 0 && grid.frame() == Specimen.Frame.SHADED;
                Font font = r == 0 ? bold(manner.size() - 1) : body();
                font.setSize((float) manner.size() - 1);
                if (shaded) font.setColor(Color.WHITE);
                PdfPCell cell = new PdfPCell(new Phrase(leading(), text, font));
                if (!grid.ruled()) cell.setBorder(Rectangle.NO_BORDER);
                if (shaded) cell.setBackgroundColor(Color.decode("#1F4E79"));
                if (grid.frame() == Specimen.Frame.BOOK) cell.setBorder(border(r, grid.rows().size()));
                cell.setPadding(3);
                table.addCell(cell);
            }
        }
        return table;
    }

    /** The three rules of a table in a book. */
    private static int border(int row, int rows) {
        if (row == 0) return Rectangle.TOP | Rectangle.BOTTOM;
        return row == rows - 1 ? Rectangle.BOTTOM : Rectangle.NO_BORDER;
    }
}
