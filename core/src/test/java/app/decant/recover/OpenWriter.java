package app.decant.recover;

import app.decant.font.FontCatalogue;
import app.decant.recover.Specimen.Piece;
import com.lowagie.text.Anchor;
import com.lowagie.text.Chunk;
import com.lowagie.text.Document;
import com.lowagie.text.Element;
import com.lowagie.text.Font;
import com.lowagie.text.HeaderFooter;
import com.lowagie.text.Image;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.BaseFont;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import com.lowagie.text.pdf.draw.DottedLineSeparator;
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
    private final Specimen specimen;
    private final Document document;

    private OpenWriter(Specimen specimen) {
        this.specimen = specimen;
        this.document = new Document(specimen.turned() ? PageSize.A4.rotate() : PageSize.A4, 72, 72, 72, 72);
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

    private Font body() { return new Font(serif, 11); }

    private Paragraph paragraph(String text) {
        Paragraph paragraph = new Paragraph(14, text, body());
        paragraph.setSpacingAfter(7);
        paragraph.setAlignment(specimen.justified() ? Element.ALIGN_JUSTIFIED : Element.ALIGN_LEFT);
        return paragraph;
    }

    private void add(Piece piece) {
        Element element = element(piece);
        if (element != null) document.add(element);
        else if (piece instanceof Specimen.NewPage) document.newPage();
        else if (piece instanceof Specimen.Address address) address.lines().forEach(line -> document.add(new Paragraph(14, line, body())));
        else if (piece instanceof Specimen.Toc toc) for (int i = 0; i < toc.titles().size(); i++) document.add(entry(toc, i));
        if (piece instanceof Specimen.Address) document.add(new Paragraph(14, " ", body()));
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
            Font font = head.odd() ? new Font(serifBold, 11) : new Font(sansBold, head.level() == 1 ? 17 : 13);
            Paragraph heading = new Paragraph(head.odd() ? 14 : head.level() == 1 ? 22 : 17, head.text(), font);
            heading.setSpacingBefore(10);
            heading.setSpacingAfter(5);
            return heading;
        }
        if (piece instanceof Specimen.Para para) return paragraph(para.text());
        if (piece instanceof Specimen.Linked linked) {
            Paragraph paragraph = paragraph(linked.text() + " ");
            Anchor anchor = new Anchor(linked.shown(), new Font(serif, 11, Font.UNDERLINE));
            anchor.setReference(linked.address());
            paragraph.add(anchor);
            return paragraph;
        }
        if (piece instanceof Specimen.Item item) {
            Paragraph paragraph = new Paragraph(14, item.label() + " " + item.text(), body());
            paragraph.setIndentationLeft(30 + 20 * item.level());
            paragraph.setFirstLineIndent(-(serif.getWidthPoint(item.label() + " ", 11)));
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
                PdfPCell cell = new PdfPCell(new Phrase(12, text, new Font(r == 0 ? serifBold : serif, 10)));
                if (!grid.ruled()) cell.setBorder(Rectangle.NO_BORDER);
                cell.setPadding(3);
                table.addCell(cell);
            }
        }
        return table;
    }
}
