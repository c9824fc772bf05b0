package app.decant.pdf.keep;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.page.Canvas;
import app.decant.page.Pages;
import app.decant.page.Piece;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.lock.Protection;
import app.decant.pdf.write.PdfWriter;
import app.decant.words.Message;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.multipdf.PDFCloneUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/**
 * Pages of a kept file that are set anew. Each takes the place of the page it was, in the very same object, so that bookmarks and links go on leading to it;
 * notes on it stay, its links are those of the new text, and what stood in its fields is plain text, since it was taken in as that.
 */
final class AnewPages {
    /** What is taken in with the text of the page, and would stand on it twice. */
    private static final Set<String> READ = Set.of("Widget", "FreeText", "Stamp");

    private final PDDocument pdf;
    private final Pages pages;
    private final PdfChoices choices;
    private final List<Finding> findings = new ArrayList<>();
    private final Map<String, Set<String>> stopped = new TreeMap<>();
    private int plain;
    private int dead;

    AnewPages(PDDocument pdf, Pages pages, PdfChoices choices) {
        this.pdf = pdf;
        this.pages = pages;
        this.choices = choices;
    }

    /**
     * Sets them.
     *
     * @param anew   the indexes of those pages
     * @param places for each index of a chosen page the page of the file that it is
     */
    void set(List<Integer> anew, Map<Integer, PDPage> places, Progress progress) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        PdfStyle style = PdfStyle.PLAIN.with(PdfChoices.Bookmarks.NONE).tagged(false).with(choices.style().pictures()).with(choices.style().fonts())
                .whole(choices.style().wholeFamilies()).with(choices.style().standard());
        PdfChoices own = new PdfChoices(anew, style, Protection.NONE, List.of(), List.of(), choices.facts(), choices.dates(), choices.addresses(),
                choices.when());
        PdfWriter.Written written = PdfWriter.write(pages, own, bytes, progress);
        // What is told of links there is about links that are made anew below.
        written.findings().stream().filter(finding -> !finding.what().contains("link")).forEach(findings::add);
        try (PDDocument made = Loader.loadPDF(bytes.toByteArray())) {
            PDFCloneUtility copies = new Copies(pdf);
            for (int i = 0; i < anew.size(); i++) set(made.getPage(i).getCOSObject(), anew.get(i), places, copies);
            stopped.forEach((scheme, addresses) -> findings.add(Link.Address.leftOut(scheme, addresses.size())));
            if (dead > 0) findings.add(Finding.changed(Message.of("keep.links-lead-to-places", dead)));
            if (plain > 0) findings.add(Finding.lost(Message.of("keep.fields-on-pages-that-were-set-anew", plain)));
        }
    }

    /** Whether fields became plain text, so that the form has fewer. */
    boolean tookFields() { return plain > 0; }

    /** What is to be told of those pages. */
    List<Finding> findings() { return findings; }

    /** Opens the library's copier, which keeps what several pages share once. */
    private static final class Copies extends PDFCloneUtility {
        Copies(PDDocument target) { super(target); }
    }

    private void set(COSDictionary made, int index, Map<Integer, PDPage> places, PDFCloneUtility copies) throws IOException {
        COSDictionary page = places.get(index).getCOSObject();
        for (COSName name : List.of(COSName.CONTENTS, COSName.RESOURCES, COSName.MEDIA_BOX)) page.setItem(name, copies.cloneForNewDocument(made.getItem(name)));
        for (String name : List.of("CropBox", "TrimBox", "BleedBox", "ArtBox", "Rotate", "UserUnit", "StructParents", "Group", "Thumb", "PieceInfo", "B"))
            page.removeItem(COSName.getPDFName(name));
        page.setItem(COSName.ROTATE, COSInteger.ZERO);
        page.setItem(COSName.CROP_BOX, page.getItem(COSName.MEDIA_BOX));
        COSArray annotations = new COSArray();
        COSArray old = page.getCOSArray(COSName.ANNOTS);
        for (int i = 0; old != null && i < old.size(); i++) {
            String kind = old.getObject(i) instanceof COSDictionary one ? String.valueOf(one.getNameAsString(COSName.SUBTYPE)) : "";
            if (READ.contains(kind)) plain++;
            else if (!kind.equals("Link")) annotations.add(old.get(i));
        }
        links(index, places, annotations);
        page.removeItem(COSName.ANNOTS);
        if (annotations.size() > 0) page.setItem(COSName.ANNOTS, annotations);
    }

    private void links(int index, Map<Integer, PDPage> places, COSArray annotations) {
        double height = pages.page(index).height();
        pages.page(index).show(new Canvas() {
            @Override public void glyphs(Piece.Glyphs glyphs, double x, double baseline, Colour colour) { }
            @Override public void fill(double x, double y, double width, double tall, Colour colour) { }
            @Override public void rule(double x1, double y1, double x2, double y2, Border border) { }
            @Override public void picture(Picture picture, double x, double y) { }
            @Override public void link(double x, double y, double width, double tall, Link link) {
                COSDictionary annotation = annotation(link, places);
                if (annotation == null) return;
                annotation.setItem(COSName.RECT, new PDRectangle((float) x, (float) (height - y - tall), (float) width, (float) tall));
                annotations.add(annotation);
            }
        });
    }

    private COSDictionary annotation(Link link, Map<Integer, PDPage> places) {
        COSDictionary annotation = new COSDictionary();
        annotation.setItem(COSName.TYPE, COSName.ANNOT);
        annotation.setName(COSName.SUBTYPE, "Link");
        annotation.setInt(COSName.F, 4);
        COSArray border = new COSArray();
        for (int i = 0; i < 3; i++) border.add(COSInteger.ZERO);
        annotation.setItem(COSName.BORDER, border);
        if (link instanceof Link.Address address) {
            if (!address.passes(choices.addresses())) {
                stopped.computeIfAbsent(address.scheme(), scheme -> new TreeSet<>()).add(address.uri());
                return null;
            }
            COSDictionary action = new COSDictionary();
            action.setName(COSName.S, "URI");
            // Addresses are ASCII (12.6.4.7).
            action.setString(COSName.URI, address.ascii());
            annotation.setItem(COSName.A, action);
            return annotation;
        }
        Map.Entry<Integer, Double> place = pages.bookmark(((Link.Inside) link).bookmark());
        PDPage target = place == null ? null : places.get(place.getKey());
        if (target == null) {
            dead++;
            return null;
        }
        annotation.setItem(COSName.DEST, destination(target, place.getValue()));
        return annotation;
    }

    private static COSBase destination(PDPage page, double top) {
        COSArray destination = new COSArray();
        destination.add(page.getCOSObject());
        destination.add(COSName.getPDFName("XYZ"));
        destination.add(COSNull.NULL);
        destination.add(new COSFloat((float) (page.getCropBox().getUpperRightY() - top)));
        destination.add(COSNull.NULL);
        return destination;
    }
}
