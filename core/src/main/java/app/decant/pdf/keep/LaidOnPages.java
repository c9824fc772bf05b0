package app.decant.pdf.keep;

import app.decant.font.Face;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.font.EmbeddedFace;
import app.decant.pdf.page.OverlayPainter;
import app.decant.pdf.page.PageContent;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * Letterheads, watermarks and stamps on pages that keep their own streams: each page's are a form of its own (ISO 32000-2, 8.10), so that no name of a font
 * or picture meets one of the page's, called before or after the page's streams, which are fenced by {@code q} and {@code Q}.
 */
final class LaidOnPages {
    private final PDDocument pdf;
    private final Pages pages;
    private final List<Overlay> overlays;
    private final OverlayPainter painter;
    private final Map<Face, EmbeddedFace> faces = new LinkedHashMap<>();

    LaidOnPages(PDDocument pdf, Pages pages, List<Overlay> overlays) {
        this.pdf = pdf;
        this.pages = pages;
        this.overlays = overlays;
        this.painter = new OverlayPainter(pdf, pages);
    }

    /** Lays what there is on all pages of the file. @param chosen which pages those were */
    void lay(List<Integer> chosen, PdfStyle style) throws IOException {
        int place = 0;
        for (PDPage page : pdf.getPages()) {
            Page told = pages.page(chosen.get(place));
            COSStream under = form(true, place, chosen.size(), told);
            COSStream over = form(false, place, chosen.size(), told);
            if (under != null || over != null) call(page, under, over);
            place++;
        }
        for (EmbeddedFace face : faces.values()) face.finish(style);
    }

    private COSStream form(boolean under, int place, int count, Page page) throws IOException {
        List<Overlay> some = overlays.stream().filter(overlay -> overlay.under() == under && overlay.isOn(place)).toList();
        if (some.isEmpty()) return null;
        PageContent content = new PageContent(page.height(), face -> faces.computeIfAbsent(face, EmbeddedFace::new), picture -> null);
        for (Overlay overlay : some) painter.paint(overlay, new OverlayPainter.Fields(place + 1, count, page.label()), content, page.width(), page.height());
        COSStream form = pdf.getDocument().createCOSStream();
        form.setItem(COSName.TYPE, COSName.XOBJECT);
        form.setItem(COSName.SUBTYPE, COSName.FORM);
        form.setItem(COSName.BBOX, new PDRectangle((float) page.width(), (float) page.height()));
        COSDictionary resources = new COSDictionary();
        resources.setItem(COSName.FONT, content.fontResources());
        COSDictionary objects = new COSDictionary();
        content.pictures().forEach((object, name) -> objects.setItem(name, object));
        if (objects.size() > 0) resources.setItem(COSName.XOBJECT, objects);
        if (painter.states() != null) resources.setItem(COSName.EXT_G_STATE, painter.states());
        form.setItem(COSName.RESOURCES, resources);
        try (var out = form.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(content.bytes());
        }
        return form;
    }

    private void call(PDPage page, COSStream under, COSStream over) throws IOException {
        COSDictionary own = page.getCOSObject();
        COSDictionary resources = copied(page.getResources() == null ? null : page.getResources().getCOSObject());
        COSDictionary objects = copied(resources.getCOSDictionary(COSName.XOBJECT));
        resources.setItem(COSName.XOBJECT, objects);
        own.setItem(COSName.RESOURCES, resources);
        String matrix = matrix(page);
        StringBuilder before = new StringBuilder();
        StringBuilder after = new StringBuilder("\nQ\n");
        if (under != null) before.append(called(under, objects, "Under", matrix));
        before.append("q\n");
        if (over != null) after.append(called(over, objects, "Over", matrix));
        COSArray contents = new COSArray();
        contents.add(stream(before.toString()));
        COSBase streams = own.getItem(COSName.CONTENTS);
        if (own.getDictionaryObject(COSName.CONTENTS) instanceof COSArray several) for (int i = 0; i < several.size(); i++) contents.add(several.get(i));
        else if (streams != null) contents.add(streams);
        contents.add(stream(after.toString()));
        own.setItem(COSName.CONTENTS, contents);
    }

    private static COSDictionary copied(COSDictionary shared) { return shared == null ? new COSDictionary() : new COSDictionary(shared); }

    private static String called(COSStream form, COSDictionary objects, String wished, String matrix) {
        String name = wished;
        for (int i = 1; objects.containsKey(COSName.getPDFName(name)); i++) name = wished + i;
        objects.setItem(COSName.getPDFName(name), form);
        return "/Artifact BMC\nq\n" + matrix + "/" + name + " Do\nQ\nEMC\n";
    }

    private COSStream stream(String operators) throws IOException {
        COSStream stream = pdf.getDocument().createCOSStream();
        try (var out = stream.createOutputStream()) {
            out.write(operators.getBytes(StandardCharsets.US_ASCII));
        }
        return stream;
    }

    /** From the page as it is seen, its lower left corner at (0, 0), to the page as it is written: its box and its turn (7.7.3.3). */
    private static String matrix(PDPage page) {
        PDRectangle box = page.getCropBox();
        double left = box.getLowerLeftX();
        double bottom = box.getLowerLeftY();
        double[] m = switch (Math.floorMod(page.getRotation(), 360)) {
            case 90 -> new double[] {0, 1, -1, 0, left + box.getWidth(), bottom};
            case 180 -> new double[] {-1, 0, 0, -1, left + box.getWidth(), bottom + box.getHeight()};
            case 270 -> new double[] {0, -1, 1, 0, left, bottom + box.getHeight()};
            default -> new double[] {1, 0, 0, 1, left, bottom};
        };
        return String.format(Locale.ROOT, "%.0f %.0f %.0f %.0f %.4f %.4f cm%n", m[0], m[1], m[2], m[3], m[4], m[5]).replace("\r", "");
    }
}
