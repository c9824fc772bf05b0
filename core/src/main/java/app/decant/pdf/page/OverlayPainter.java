package app.decant.pdf.page;

import app.decant.document.Image;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.pdf.Overlay;
import app.decant.pdf.picture.PictureEmbedding;
import app.decant.picture.PictureDecoder;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** Lays letterheads, watermarks and stamps on pages. Each is put into the file once, however many pages it is on. */
public final class OverlayPainter {
    public static final String FAMILY = "Liberation Sans";
    /** From the upper and lower edge, and from the sides, in points. */
    private static final double EDGE = 24;
    private static final double SIDE = 42;

    private final PDDocument pdf;
    private final Pages pages;
    private final Map<Overlay, Made> made = new HashMap<>();
    private final Map<Double, String> states = new HashMap<>();

    /** An overlay ready to be painted: an object with its natural size, or lines of text with theirs. */
    private record Made(PDXObject object, List<Item.LineItem> lines, double width, double height) { }

    /** @param pages that know how words are set */
    public OverlayPainter(PDDocument pdf, Pages pages) {
        this.pdf = pdf;
        this.pages = pages;
    }

    /** The graphics states that were used, by their names: how opaque things are (ISO 32000-2, 11.6.4.4). Null where there are none. */
    public COSDictionary states() {
        if (states.isEmpty()) return null;
        COSDictionary dictionary = new COSDictionary();
        states.forEach((opacity, name) -> {
            COSDictionary state = new COSDictionary();
            state.setItem(COSName.CA, new COSFloat((float) (double) opacity));
            state.setItem(COSName.CA_NS, new COSFloat((float) (double) opacity));
            dictionary.setItem(name, state);
        });
        return dictionary;
    }

    /** What fields in words stand for on one page: its place in the file from 1, how many pages there are, the number printed on it. */
    public record Fields(int page, int pages, String label) {
        Overlay in(Overlay overlay) {
            if (!(overlay.content() instanceof Overlay.Words words) || words.text().indexOf('{') < 0) return overlay;
            String text = words.text().replace("{page}", Integer.toString(page)).replace("{pages}", Integer.toString(pages)).replace("{label}", label);
            return new Overlay(new Overlay.Words(text, words.size(), words.colour(), words.place()), overlay.under(), overlay.pages(), overlay.angle(),
                    overlay.opacity(), overlay.share());
        }
    }

    public void paint(Overlay general, Fields fields, PageContent content, double width, double height) throws IOException {
        Overlay overlay = fields.in(general);
        Made ready = made.get(overlay);
        if (ready == null) made.put(overlay, ready = make(overlay));
        String state = overlay.opacity() >= 1 ? null : states.computeIfAbsent(overlay.opacity(), key -> "G" + states.size());
        AffineTransform place = new AffineTransform();
        if (overlay.content() instanceof Overlay.PdfFile) {
            // A letterhead is as large as the page.
            place.scale(width, height);
            content.begin(place, state);
            content.object(ready.object);
            content.end();
            return;
        }
        double scale = overlay.share() > 0 ? overlay.share() * width / ready.width : Math.min(1, Math.min(width / ready.width, height / ready.height));
        Overlay.Place where = overlay.content() instanceof Overlay.Words words ? words.place() : Overlay.Place.MIDDLE;
        double middle = where == Overlay.Place.MIDDLE ? height / 2 : where.isTop() ? height - EDGE - ready.height * scale / 2 : EDGE + ready.height * scale / 2;
        double across = where.isLeft() ? SIDE + ready.width * scale / 2 : where.isRight() ? width - SIDE - ready.width * scale / 2 : width / 2;
        place.translate(across, middle);
        place.rotate(Math.toRadians(overlay.angle()));
        place.scale(scale, scale);
        place.translate(-ready.width / 2, -ready.height / 2);
        if (ready.object != null) place.scale(ready.width, ready.height);
        // Lines are placed from the top of a page; here they stand in a box of their own.
        else place.translate(0, ready.height - content.height());
        content.begin(place, state);
        if (ready.object != null) content.object(ready.object);
        else for (Item.LineItem line : ready.lines) Page.show(line, content);
        content.end();
    }

    private Made make(Overlay overlay) throws IOException {
        if (overlay.content() instanceof Overlay.Words words) return words(words);
        if (overlay.content() instanceof Overlay.PictureFile file) {
            PDImageXObject image = PDImageXObject.createFromByteArray(pdf, file.bytes(), "overlay");
            return new Made(image, null, image.getWidth() * 0.75, image.getHeight() * 0.75);
        }
        PDFormXObject form = PictureEmbedding.form(pdf, ((Overlay.PdfFile) overlay.content()).bytes());
        return new Made(form, null, 1, 1);
    }

    private Made words(Overlay.Words words) {
        List<Item.LineItem> lines = pages.words(words.text(), FAMILY, words.size(), words.colour());
        double width = lines.stream().mapToDouble(line -> line.left() + line.line().width()).max().orElse(1);
        double height = lines.stream().mapToDouble(line -> line.y() + line.line().height()).max().orElse(1);
        return new Made(null, lines, Math.max(1, width), Math.max(1, height));
    }

    /**
     * Looks whether a file can be laid on pages.
     *
     * @throws IOException where it can't be read or is locked
     */
    public static void refuseUnusable(Overlay overlay) throws IOException {
        if (overlay.content() instanceof Overlay.PdfFile file) {
            try (PDDocument opened = Loader.loadPDF(file.bytes())) {
                if (opened.getNumberOfPages() == 0) throw new IOException("No page");
                if (opened.isEncrypted()) throw new IOException("Locked");
            }
        } else if (overlay.content() instanceof Overlay.PictureFile file) {
            PictureDecoder.decode(new Image("image/*", file.bytes()), 72);
        }
    }
}
