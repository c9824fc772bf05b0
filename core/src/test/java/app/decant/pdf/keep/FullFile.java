package app.decant.pdf.keep;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDPageLabelRange;
import org.apache.pdfbox.pdmodel.common.PDPageLabels;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.optionalcontent.PDOptionalContentGroup;
import org.apache.pdfbox.pdmodel.graphics.optionalcontent.PDOptionalContentProperties;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;

/**
 * A PDF with one of everything that people put into PDFs: four pages (the first turned), bookmarks, printed numbers, a field, a note, links, a layer, an
 * attached file, a photograph, facts of its own, a script.
 */
final class FullFile implements AutoCloseable {
    private final PDDocument pdf = new PDDocument();
    private final PDType1Font font = new PDType1Font(Standard14Fonts.FontName.HELVETICA);

    static byte[] bytes() {
        try (FullFile made = new FullFile()) {
            made.fill();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            made.pdf.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void fill() throws IOException {
        PDOptionalContentProperties layers = new PDOptionalContentProperties();
        PDOptionalContentGroup layer = new PDOptionalContentGroup("Prices");
        layers.addGroup(layer);
        pdf.getDocumentCatalog().setOCProperties(layers);
        for (int i = 1; i <= 4; i++) {
            PDPage page = new PDPage(PDRectangle.A4);
            page.setResources(new PDResources());
            pdf.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                text(out, 72, 760, "Secret of page " + i);
                out.beginMarkedContent(COSName.OC, layer);
                text(out, 72, 700, "A price on a layer");
                out.endMarkedContent();
                if (i == 3) out.drawImage(LosslessFactory.createFromImage(pdf, photograph()), 72, 300, 200, 200);
            }
        }
        pdf.getPage(0).setRotation(90);
        outline();
        onPages();
        whole();
    }

    private void text(PDPageContentStream out, float x, float y, String text) throws IOException {
        out.beginText();
        out.setFont(font, 12);
        out.newLineAtOffset(x, y);
        out.showText(text);
        out.endText();
    }

    private static BufferedImage photograph() {
        BufferedImage image = new BufferedImage(800, 800, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(1);
        for (int y = 0; y < 800; y++)
            for (int x = 0; x < 800; x++) image.setRGB(x, y, new Color(x * 255 / 800, y * 255 / 800, 90 + random.nextInt(60)).getRGB());
        return image;
    }

    private void outline() {
        PDDocumentOutline outline = new PDDocumentOutline();
        PDOutlineItem first = item("Front", 0);
        first.addLast(item("Inside", 1));
        first.addLast(item("Deeper", 2));
        outline.addLast(first);
        outline.addLast(item("Back", 3));
        pdf.getDocumentCatalog().setDocumentOutline(outline);
    }

    private PDOutlineItem item(String title, int page) {
        PDOutlineItem item = new PDOutlineItem();
        item.setTitle(title);
        item.setDestination(place(page));
        return item;
    }

    private PDPageXYZDestination place(int page) {
        PDPageXYZDestination place = new PDPageXYZDestination();
        place.setPage(pdf.getPage(page));
        place.setTop(770);
        return place;
    }

    private void onPages() throws IOException {
        PDAnnotationLink inside = new PDAnnotationLink();
        inside.setRectangle(new PDRectangle(72, 600, 100, 20));
        PDActionGoTo goTo = new PDActionGoTo();
        goTo.setDestination(place(3));
        inside.setAction(goTo);
        PDAnnotationLink out = new PDAnnotationLink();
        out.setRectangle(new PDRectangle(72, 560, 100, 20));
        PDActionURI address = new PDActionURI();
        address.setURI("https://harbour.example/");
        out.setAction(address);
        PDAnnotationText note = new PDAnnotationText();
        note.setRectangle(new PDRectangle(300, 600, 20, 20));
        note.setContents("Ask the harbour master");
        pdf.getPage(1).getAnnotations().addAll(List.<PDAnnotation>of(inside, out, note));
        PDAcroForm form = new PDAcroForm(pdf);
        pdf.getDocumentCatalog().setAcroForm(form);
        PDResources resources = new PDResources();
        resources.put(COSName.HELV, font);
        form.setDefaultResources(resources);
        for (int page = 1; page <= 2; page++) {
            PDTextField field = new PDTextField(form);
            field.setPartialName("Name" + page);
            field.setDefaultAppearance("/Helv 11 Tf 0 g");
            field.getWidgets().get(0).setRectangle(new PDRectangle(72, 500, 200, 20));
            field.getWidgets().get(0).setPage(pdf.getPage(page));
            pdf.getPage(page).getAnnotations().add(field.getWidgets().get(0));
            form.getFields().add(field);
            field.setValue("Filled in " + page);
        }
    }

    private void whole() throws IOException {
        PDPageLabels labels = new PDPageLabels(pdf);
        PDPageLabelRange front = new PDPageLabelRange();
        front.setStyle(PDPageLabelRange.STYLE_ROMAN_LOWER);
        labels.setLabelItem(0, front);
        PDPageLabelRange rest = new PDPageLabelRange();
        rest.setStyle(PDPageLabelRange.STYLE_DECIMAL);
        labels.setLabelItem(2, rest);
        pdf.getDocumentCatalog().setPageLabels(labels);
        PDEmbeddedFile file = new PDEmbeddedFile(pdf, new ByteArrayInputStream("tide;height".getBytes(StandardCharsets.UTF_8)));
        PDComplexFileSpecification specification = new PDComplexFileSpecification();
        specification.setFile("tides.csv");
        specification.setEmbeddedFile(file);
        PDEmbeddedFilesNameTreeNode files = new PDEmbeddedFilesNameTreeNode();
        files.setNames(Map.of("tides.csv", specification));
        PDDocumentNameDictionary names = new PDDocumentNameDictionary(pdf.getDocumentCatalog());
        names.setEmbeddedFiles(files);
        pdf.getDocumentCatalog().setNames(names);
        pdf.getDocumentCatalog().setOpenAction(new PDActionJavaScript("app.alert('hello')"));
        pdf.getDocumentInformation().setTitle("Harbour brochure");
        pdf.getDocumentInformation().setAuthor("Ina Vold");
        pdf.getDocumentInformation().setCustomMetadataValue("File number", "HO 12/6");
    }

    @Override public void close() throws IOException { pdf.close(); }
}
