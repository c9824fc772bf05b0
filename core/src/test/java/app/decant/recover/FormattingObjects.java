package app.decant.recover;

import app.decant.recover.Specimen.Piece;
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
        StringBuilder fo = new StringBuilder("<fo:root xmlns:fo='http://www.w3.org/1999/XSL/Format' font-family='Times' font-size='10.5pt' "
                + "line-height='13.5pt' xml:lang='en'>");
        fo.append("<fo:layout-master-set><fo:simple-page-master master-name='p' page-width='595pt' page-height='842pt' margin='36pt 70pt'")
                .append(turned ? " reference-orientation='90'" : "").append(">");
        fo.append("<fo:region-body margin-top='36pt' margin-bottom='40pt'/><fo:region-before extent='20pt'/><fo:region-after extent='20pt' "
                + "display-align='after'/></fo:simple-page-master></fo:layout-master-set>");
        fo.append("<fo:page-sequence master-reference='p'>");
        if (specimen.head() != null)
            fo.append("<fo:static-content flow-name='xsl-region-before'><fo:block font-size='9pt'>").append(specimen.head())
                    .append("</fo:block></fo:static-content>");
        if (specimen.foot() != null)
            fo.append("<fo:static-content flow-name='xsl-region-after'><fo:block font-size='9pt' text-align='center'>").append(specimen.foot())
                    .append(" <fo:page-number/></fo:block></fo:static-content>");
        fo.append("<fo:flow flow-name='xsl-region-body' text-align='").append(specimen.justified() ? "justify" : "start").append("'>");
        for (Piece piece : specimen.pieces()) piece(fo, piece);
        return fo.append("</fo:flow></fo:page-sequence></fo:root>").toString();
    }

    private static void piece(StringBuilder fo, Piece piece) {
        if (piece instanceof Specimen.Head head) {
            String look = head.odd() ? "font-weight='bold' font-size='10.5pt'" : head.level() == 1
                    ? "font-family='Helvetica' font-weight='bold' font-size='17pt' line-height='22pt' space-before='14pt'"
                    : "font-family='Helvetica' font-weight='bold' font-size='12.5pt' line-height='16pt' space-before='12pt'";
            fo.append("<fo:block role='H").append(head.level()).append("' ").append(look)
                    .append(" space-after='5pt' text-align='start' keep-with-next='always'>").append(head.text()).append("</fo:block>");
        } else if (piece instanceof Specimen.Para para) {
            fo.append("<fo:block space-after='7pt'>").append(para.text()).append("</fo:block>");
        } else if (piece instanceof Specimen.Linked linked) {
            fo.append("<fo:block space-after='7pt'>").append(linked.text()).append(" <fo:basic-link external-destination=\"url('").append(linked.address())
                    .append("')\" color='#224488'>").append(linked.shown()).append("</fo:basic-link></fo:block>");
        } else if (piece instanceof Specimen.Noted noted) {
            fo.append("<fo:block space-after='7pt'>").append(noted.text()).append("<fo:footnote><fo:inline font-size='7pt' baseline-shift='super'>")
                    .append(noted.mark()).append("</fo:inline><fo:footnote-body><fo:block font-size='8.5pt' line-height='11pt'><fo:inline font-size='6pt' "
                    + "baseline-shift='super'>")
                    .append(noted.mark()).append("</fo:inline> ").append(noted.note()).append("</fo:block></fo:footnote-body></fo:footnote></fo:block>");
        } else if (piece instanceof Specimen.Item item) {
            fo.append("<fo:list-block provisional-distance-between-starts='16pt' provisional-label-separation='4pt' start-indent='")
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
                for (Piece inner : columns.columns().get(i)) piece(fo, inner);
                fo.append("</fo:table-cell>");
            }
            fo.append("</fo:table-row></fo:table-body></fo:table>");
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
        fo.append("<fo:table-header font-weight='bold'><fo:table-row>");
        for (String text : grid.rows().get(0)) fo.append(cell).append(">").append(text).append("</fo:block></fo:table-cell>");
        fo.append("</fo:table-row></fo:table-header><fo:table-body>");
        for (List<String> row : grid.rows().subList(1, grid.rows().size())) {
            fo.append("<fo:table-row keep-together='always'>");
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
