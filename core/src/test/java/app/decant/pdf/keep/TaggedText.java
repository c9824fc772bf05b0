package app.decant.pdf.keep;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkedContentReference;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;

/** What belongs to an element of a structure, as PDFBox finds it in the streams: the text of its marked content, in the order of the element. */
final class TaggedText extends PDFTextStripper {
    private final Map<COSDictionary, Map<Integer, StringBuilder>> texts = new IdentityHashMap<>();
    private final List<Integer> open = new ArrayList<>();
    private final List<COSDictionary> streams = new ArrayList<>();

    private TaggedText(PDDocument pdf, PDPage page) throws IOException {
        streams.add(page.getCOSObject());
        int number = pdf.getPages().indexOf(page) + 1;
        setStartPage(number);
        setEndPage(number);
        getText(pdf);
    }

    static String of(PDStructureElement element, PDDocument pdf) throws IOException {
        StringBuilder text = new StringBuilder();
        for (Object kid : element.getKids()) {
            if (kid instanceof Integer number) text.append(of(pdf, element.getPage(), element.getPage().getCOSObject(), number));
            if (!(kid instanceof PDMarkedContentReference reference)) continue;
            PDPage page = reference.getPage() == null ? element.getPage() : reference.getPage();
            COSStream form = reference.getCOSObject().getCOSStream(COSName.getPDFName("Stm"));
            text.append(of(pdf, page, form == null ? page.getCOSObject() : form, reference.getMCID()));
        }
        return text.toString();
    }

    private static String of(PDDocument pdf, PDPage page, COSDictionary stream, int number) throws IOException {
        Map<Integer, StringBuilder> texts = new TaggedText(pdf, page).texts.getOrDefault(stream, Map.of());
        return String.valueOf(texts.getOrDefault(number, new StringBuilder()));
    }

    @Override public void beginMarkedContentSequence(COSName tag, COSDictionary properties) {
        open.add(properties != null && properties.containsKey(COSName.MCID) ? properties.getInt(COSName.MCID) : -1);
    }

    @Override public void endMarkedContentSequence() { open.remove(open.size() - 1); }

    @Override public void showForm(PDFormXObject form) throws IOException {
        streams.add(form.getCOSObject());
        super.showForm(form);
        streams.remove(streams.size() - 1);
    }

    @Override protected void processTextPosition(TextPosition text) {
        for (int number : open)
            if (number >= 0) texts.computeIfAbsent(streams.get(streams.size() - 1), key -> new HashMap<>())
                    .computeIfAbsent(number, key -> new StringBuilder()).append(text.getUnicode());
    }
}
