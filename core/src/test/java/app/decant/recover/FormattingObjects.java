package app.decant.recover;

import app.decant.recover.Specimen.Piece;
import app.decant.recover.Specimen.Trait;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.List;
import javax.imageio.ImageIO;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.sax.SAXResult;
import javax.xml.transform.stream.StreamSource;
import org.apache.fop.apps.Fop;
import org.apache.fop.apps.FopFactory;
import org.apache.fop.apps.FopFactoryBuilder;
import org.apache.fop.apps.MimeConstants;
import org.xml.sax.SAXException;

/**
 * Publishes specimens through Apache FOP, a typesetting program of its own: kerned standard fonts that are not embedded, its own line breaking, text
 * placed run by run.
 */
final class FormattingObjects {
    private FormattingObjects() { }

    static byte[] write(Specimen specimen, boolean tagged) {
        try {
            FopFactoryBuilder builder = new FopFactoryBuilder(new File(".").toURI());
            builder.setAccessibility(tagged);
            FopFactory factory = builder.build();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            Fop fop = factory.newFop(MimeConstants.MIME_PDF, out);
            TransformerFactory.newInstance().newTransformer()
                    .transform(new StreamSource(new ByteArrayInputStream(source(specimen).getBytes(StandardCharsets.UTF_8))),
                    new SAXResult(fop.getDefaultHandler()));
            return out.toByteArray();
        } catch (SAXException | TransformerException e) {
            throw new IllegalStateException(specimen.name(), e);
        }
    }

    private static String source(Specimen specimen) {
        boolean turned = specimen.turned();
        Specimen.Manner manner = specimen.manner();
        StringBuilder fo = new StringBuilder("<fo:root xmlns:fo='http://www.w3.org/1999/XSL/Format' font-family='")
                .append(manner.is(Trait.SANS) ? "Helvetica" : "Times").append("' font-size='").append(manner.size()).append("pt' line-height='")
                .append(manner.leading()).append("pt' xml:lang='en'>");
        double wide = turned ? manner.height() : manner.width();
        double high = turned ? manner.width() : manner.height();
        fo.append("<fo:layout-master-set><fo:simple-page-master master-name='p' page-width='").append(wide).append("pt' page-height='").append(high)
                .append("pt' margin='36pt ").append(manner.margin()).append("pt'").append(turned ? " reference-orientation='90'" : "").append(">");
        int columns = specimen.pieces().stream().mapToInt(piece -> piece instanceof Specimen.Flow flow ? flow.columns() : 1).max().orElse(1);
        fo.append("<fo:region-body margin-top='36pt' margin-bottom='40pt' column-count='").append(columns)
                .append("' column-gap='18pt'/><fo:region-before extent='20pt'/><fo:region-after extent='20pt' "
                + "display-align='after'/></fo:simple-page-master></fo:layout-master-set>");
        fo.append("<fo:page-sequence master-reference='p'>");
        if (specimen.head() != null)
            fo.append("<fo:static-content flow-name='xsl-region-before'><fo:block font-size='9pt'>").append(specimen.head())
                    .append("</fo:block></fo:static-content>");
        if (specimen.foot() != null)
            fo.append("<fo:static-content flow-name='xsl-region-after'><fo:block font-size='9pt' text-align='center'>").append(specimen.foot())
                    .append(" <fo:page-number/></fo:block></fo:static-content>");
        fo.append("<fo:flow flow-name='xsl-region-body' text-align='").append(specimen.justified() ? "justify" : "start").append("'>");
        for (Piece piece : specimen.pieces()) {
            if (columns > 1 && !(piece instanceof Specimen.Flow)) fo.append("<fo:block span='all'>");
            piece(fo, piece, manner);
            if (columns > 1 && !(piece instanceof Specimen.Flow)) fo.append("</fo:block>");
        }
        return fo.append("</fo:flow></fo:page-sequence></fo:root>").toString();
    }

    private static void piece(StringBuilder fo, Piece piece, Specimen.Manner manner) {
        if (piece instanceof Specimen.Head head) {
            String look = "font-weight='bold' space-before='13pt'";
            if (!head.odd()) look += (manner.is(Trait.SERIF_HEADS) ? "" : " font-family='Helvetica'") + " font-size='" + manner.headSize(head.level())
                    + "pt' line-height='" + manner.headSize(head.level()) * 1.3 + "pt' color='#" + manner.headColour() + "'";
            fo.append("<fo:block role='H").append(head.level()).append("' ").append(look).append(" space-after='5pt' text-align='")
                    .append(manner.is(Trait.CENTRED_HEADS) ? "center" : "start").append("' keep-with-next='always'>").append(head.text()).append("</fo:block>");
        } else if (piece instanceof Specimen.Para para) {
            fo.append("<fo:block space-after='").append(manner.gap()).append("pt' text-indent='").append(manner.indent()).append("pt'>")
                    .append(para.text()).append("</fo:block>");
        } else if (piece instanceof Specimen.Linked linked) {
            fo.append("<fo:block space-after='7pt'>").append(linked.text()).append(" <fo:basic-link external-destination=\"url('").append(linked.address())
                    .append("')\" color='#224488'>").append(linked.shown()).append("</fo:basic-link></fo:block>");
        } else if (piece instanceof Specimen.Noted noted) {
            fo.append("<fo:block space-after='7pt'>").append(noted.text()).append("<fo:footnote><fo:inline font-size='7pt' baseline-shift='super'>")
                    .append(noted.mark()).append("</fo:inline><fo:footnote-body><fo:block font-size='8.5pt' line-height='11pt'><fo:inline font-size='6pt' "
                    + "baseline-shift='super'>")
                    .append(noted.mark()).append("</fo:inline> ").append(noted.note()).append("</fo:block></fo:footnote-body></fo:footnote></fo:block>");
        } else if (piece instanceof Specimen.Item item) {
            int room = item.label().length() > 2 ? 28 : 16;
            fo.append("<fo:list-block provisional-distance-between-starts='").append(room).append("pt' provisional-label-separation='4pt' start-indent='")
                    .append(14 + item.level() * 22).append("pt' space-after='3pt'><fo:list-item><fo:list-item-label end-indent='label-end()'><fo:block>")
                    .append(item.label())
                    .append("</fo:block></fo:list-item-label><fo:list-item-body start-indent='body-start()'><fo:block>").append(item.text())
                            .append("</fo:block></fo:list-item-body></fo:list-item></fo:list-block>");
        } else if (piece instanceof Specimen.Grid grid) {
            table(fo, grid);
        } else if (piece instanceof Specimen.Pic pic) {
            fo.append("<fo:block space-after='8pt' line-height='normal'><fo:external-graphic src=\"url('data:image/png;base64,")
                    .append(Base64.getEncoder().encodeToString(png((int) pic.width(), (int) pic.height()))).append("')\" content-width='").append(pic.width())
                    .append("pt' content-height='").append(pic.height()).append("pt'/></fo:block>");
        } else if (piece instanceof Specimen.Toc toc) {
            for (int i = 0; i < toc.titles().size(); i++) {
                fo.append("<fo:block text-align-last='justify' start-indent='").append((toc.levels().get(i) - 1) * 14).append("pt'>")
                        .append(toc.titles().get(i)).append("<fo:leader leader-pattern='dots'/>").append(toc.pages().get(i)).append("</fo:block>");
            }
        } else if (piece instanceof Specimen.Columns columns) {
            fo.append("<fo:table table-layout='fixed' width='100%'>");
            for (int i = 0; i < columns.columns().size(); i++) fo.append("<fo:table-column column-width='").append(i == 0 ? 218 : 237).append("pt'/>");
            fo.append("<fo:table-body><fo:table-row>");
            for (int i = 0; i < columns.columns().size(); i++) {
                fo.append("<fo:table-cell padding-left='").append(i == 0 ? 0 : 19).append("pt' start-indent='0pt'>");
                for (Piece inner : columns.columns().get(i)) piece(fo, inner, manner);
                fo.append("</fo:table-cell>");
            }
            fo.append("</fo:table-row></fo:table-body></fo:table>");
        } else if (piece instanceof Specimen.Defined defined) {
            fo.append("<fo:block space-after='").append(manner.gap()).append("pt'><fo:inline font-weight='bold'>").append(defined.term())
                    .append("</fo:inline> ").append(defined.text()).append("</fo:block>");
        } else if (piece instanceof Specimen.Lines lines) {
            fo.append("<fo:block text-align='start' space-after='7pt' linefeed-treatment='preserve'>").append(String.join("\n", lines.lines()))
                    .append("</fo:block>");
        } else if (piece instanceof Specimen.Quote quote) {
            fo.append("<fo:block font-style='italic' space-after='7pt' start-indent='30pt' end-indent='30pt'>").append(quote.text()).append("</fo:block>");
        } else if (piece instanceof Specimen.Caption caption) {
            fo.append("<fo:block font-size='").append(manner.size() - 1.5).append("pt' text-align='center' space-after='7pt'>").append(caption.text())
                    .append("</fo:block>");
        } else if (piece instanceof Specimen.Panel panel) {
            fo.append("<fo:block background-color='#E4EDF5' border='0.5pt solid #1F4E79' padding='6pt' margin='0pt 6pt' space-after='9pt'>");
            for (Piece inner : panel.pieces()) piece(fo, inner, manner);
            fo.append("</fo:block>");
        } else if (piece instanceof Specimen.Flow flow) {
            for (Piece inner : flow.pieces()) piece(fo, inner, manner);
        } else if (piece instanceof Specimen.Dated dated) {
            fo.append("<fo:list-block provisional-distance-between-starts='60pt' provisional-label-separation='6pt' "
                    + "space-after='6pt'><fo:list-item><fo:list-item-label end-indent='label-end()'><fo:block>").append(dated.date())
                    .append("</fo:block></fo:list-item-label><fo:list-item-body start-indent='body-start()'><fo:block>").append(dated.text())
                            .append("</fo:block></fo:list-item-body></fo:list-item></fo:list-block>");
        } else if (piece instanceof Specimen.Aside aside) {
            fo.append("<fo:table table-layout='fixed' width='100%'><fo:table-column column-width='350pt'/><fo:table-column "
                    + "column-width='105pt'/><fo:table-body><fo:table-row><fo:table-cell><fo:block space-after='7pt'>").append(aside.text())
                    .append("</fo:block></fo:table-cell><fo:table-cell padding-left='20pt'><fo:block font-size='8pt' line-height='10pt' font-style='italic'>")
                            .append(aside.note()).append("</fo:block></fo:table-cell></fo:table-row></fo:table-body></fo:table>");
        } else if (piece instanceof Specimen.Address address) {
            for (String line : address.lines()) fo.append("<fo:block>").append(line).append("</fo:block>");
            fo.append("<fo:block space-before='18pt'/>");
        } else if (piece instanceof Specimen.NewPage) {
            fo.append("<fo:block break-before='page'/>");
        } else if (piece instanceof Specimen.RightToLeft) {
            throw new IllegalArgumentException("The standard fonts have no letters for this");
        }
    }

    private static void table(StringBuilder fo, Specimen.Grid grid) {
        fo.append("<fo:table table-layout='fixed' space-after='8pt'>");
        for (double width : grid.widths()) fo.append("<fo:table-column column-width='").append(width).append("pt'/>");
        String cell = grid.ruled() ? "<fo:table-cell border='0.5pt solid black' padding='3pt'><fo:block" : "<fo:table-cell padding='2pt'><fo:block";
        String rules = grid.frame() == Specimen.Frame.BOOK ? " border-top='0.8pt solid black' border-bottom='0.8pt solid black'"
                : grid.frame() == Specimen.Frame.SHADED ? " background-color='#1F4E79' color='white'" : "";
        fo.append("<fo:table-header font-weight='bold'><fo:table-row").append(rules).append('>');
        for (String text : grid.rows().get(0)) fo.append(cell).append(">").append(text).append("</fo:block></fo:table-cell>");
        fo.append("</fo:table-row></fo:table-header><fo:table-body>");
        for (List<String> row : grid.rows().subList(1, grid.rows().size())) {
            boolean closes = grid.frame() == Specimen.Frame.BOOK && row == grid.rows().get(grid.rows().size() - 1);
            fo.append("<fo:table-row keep-together.within-page='always'").append(closes ? " border-bottom='0.8pt solid black'>" : ">");
            for (String text : row) fo.append(cell).append(">").append(text).append("</fo:block></fo:table-cell>");
            fo.append("</fo:table-row>");
        }
        fo.append("</fo:table-body></fo:table>");
    }

    /** A picture with something on every pixel. */
    static byte[] png(int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) for (int x = 0; x < width; x++) image.setRGB(x, y, (x * 255 / width) << 16 | (y * 255 / height) << 8 | 0x60);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
