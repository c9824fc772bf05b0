package app.decant.pdf.read;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Link;
import app.decant.pdf.PageList;
import app.decant.pdf.PdfDoor;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Calendar;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.interactive.action.PDAction;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionGoTo;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDNamedDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageFitWidthDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;
import org.apache.pdfbox.pdmodel.interactive.form.PDVariableText;
import org.slf4j.LoggerFactory;

/** An opened PDF and what its pages share: fonts, pictures, places that links lead to, bookmarks, tags. Nothing in it is ever run or fetched. */
public final class SourceFile implements AutoCloseable {
    public static final Message READING = Message.of("step.reading-pages");
    private static final int MOST_PAGES = 20_000;
    private static final int MOST_BOOKMARKS = 20_000;

    private final PDDocument pdf;
    private final int pages;
    private final List<PDPage> all;
    private final FontReading.Fonts fonts = new FontReading.Fonts();
    private final PictureReader pictures = new PictureReader();
    private final Map<COSDictionary, Integer> pageNumbers = new IdentityHashMap<>();
    private final Set<COSBase> hiddenLayers = new HashSet<>();
    private final Map<String, Target> targets = new HashMap<>();
    private TagTree tags;

    /** A place that a link or bookmark leads to: a page from 0, and how far down it. */
    public record Target(int page, double top) { }

    /** One bookmark. */
    public record Bookmark(int level, String title, Target target) { }

    private SourceFile(PDDocument pdf) {
        this.pdf = pdf;
        all = PageList.of(pdf);
        this.pages = all.size();
        for (int i = 0; i < pages; i++) pageNumbers.putIfAbsent(all.get(i).getCOSObject(), i);
        findHiddenLayers();
        giveFieldsTheirLooks();
    }

    /**
     * Opens a PDF.
     *
     * @throws DecantException where it is no PDF, needs a password, or its owner forbids taking its text out
     */
    public static SourceFile open(byte[] bytes, String name, String password) {
        PDDocument pdf = PdfDoor.open(bytes, name, password);
        try {
            AccessPermission permission = pdf.getCurrentAccessPermission();
            if (!permission.canExtractContent()) {
                throw new DecantException(Kind.NOT_PERMITTED, Message.of("read.is-locked-by-its-owner-against-copying", name));
            }
            if (pdf.getNumberOfPages() == 0)
                throw new DecantException(Kind.UNREADABLE, Message.of("keep.is-a-pdf-without-a-single-page", name));
            if (pdf.getNumberOfPages() > MOST_PAGES)
                throw new DecantException(Kind.UNSUPPORTED, Message.of("read.has-pages-up-to-can-be-taken", name, pdf.getNumberOfPages(), MOST_PAGES));
            return new SourceFile(pdf);
        } catch (RuntimeException e) {
            closeQuietly(pdf);
            if (e instanceof DecantException told) throw told;
            throw new DecantException(Kind.UNREADABLE, Message.of("pdf.is-damaged-no-pages-can-be-found", name), e);
        }
    }

    private static void closeQuietly(PDDocument pdf) {
        IOUtils.closeQuietly(pdf);
    }

    public PDDocument pdf() { return pdf; }

    /** Whether the first page has pictures and no font, as scans have. */
    public boolean startsWithScan() {
        COSDictionary resources = all.get(0).getResources() == null ? null : all.get(0).getResources().getCOSObject();
        return resources != null && resources.getCOSDictionary(COSName.FONT) == null && resources.getCOSDictionary(COSName.XOBJECT) != null;
    }

    public int pages() { return pages; }
    FontReading.Fonts fonts() { return fonts; }
    PictureReader pictures() { return pictures; }

    /** What its tags say; read when it is first asked for, since of several copies of a file only one is. */
    public synchronized TagTree tags() {
        if (tags == null) tags = TagTree.of(pdf, pageNumbers);
        return tags;
    }

    /** The places inside that links lead to, by the bookmark names given to them. */
    public Map<String, Target> targets() { return targets; }

    private void findHiddenLayers() {
        COSDictionary properties = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.OCPROPERTIES);
        COSDictionary standard = properties == null ? null : properties.getCOSDictionary(COSName.D);
        COSArray off = standard == null ? null : standard.getCOSArray(COSName.OFF);
        if (off == null) return;
        for (int i = 0; i < off.size(); i++) hiddenLayers.add(off.getObject(i));
    }

    /** Fields whose looks are left to whoever shows them get some, so that what was filled in is among the words (ISO 32000-1, 12.7.2, NeedAppearances). */
    private void giveFieldsTheirLooks() {
        COSDictionary form = pdf.getDocumentCatalog().getCOSObject().getCOSDictionary(COSName.ACRO_FORM);
        if (form == null || !form.getBoolean(COSName.NEED_APPEARANCES, false)) return;
        try {
            // All at once ends at the first one that can't be shown; one by one, the others still are.
            PDAcroForm fields = pdf.getDocumentCatalog().getAcroForm();
            for (PDField field : fields.getFieldTree()) if (field instanceof PDVariableText text) giveLook(fields, text);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(SourceFile.class).info("What fields look like can't be made", e);
        }
    }

    private static void giveLook(PDAcroForm fields, PDVariableText field) {
        try {
            fields.refreshAppearances(List.of(field));
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(SourceFile.class).info("What the field {} looks like can't be made", field.getFullyQualifiedName(), e);
        }
    }

    /** Whether a layer is switched off (ISO 32000-1, 8.11). */
    boolean isHidden(COSDictionary layer) { return hiddenLayers.contains(layer); }

    /** The areas of a page that lead somewhere. */
    List<PageReader.LinkArea> links(PDPage page, AffineTransform toPage, Set<Message> problems) {
        List<PageReader.LinkArea> areas = new ArrayList<>();
        try {
            for (PDAnnotation annotation : page.getAnnotations()) {
                if (!(annotation instanceof PDAnnotationLink link) || link.getRectangle() == null) continue;
                PDRectangle box = link.getRectangle();
                Rectangle2D area = toPage.createTransformedShape(new Rectangle2D.Double(box.getLowerLeftX(), box.getLowerLeftY(), box.getWidth(),
                        box.getHeight())).getBounds2D();
                Link target = target(link);
                if (target != null) areas.add(new PageReader.LinkArea(area, target));
            }
        } catch (IOException | RuntimeException e) {
            problems.add(Message.of("read.links-of-one-page-cannot-be-read"));
        }
        return areas;
    }

    private Link target(PDAnnotationLink link) throws IOException {
        PDAction action = link.getAction();
        if (action instanceof PDActionURI out && out.getURI() != null) return new Link.Address(out.getURI());
        Target target = target(action instanceof PDActionGoTo inside ? inside.getDestination() : link.getDestination());
        if (target == null) return null;
        String name = "_Goto" + (target.page + 1) + "_" + Math.round(target.top);
        targets.putIfAbsent(name, target);
        return new Link.Inside(name);
    }

    private Target target(PDDestination destination) throws IOException {
        PDPageDestination on = destination instanceof PDNamedDestination named ? pdf.getDocumentCatalog().findNamedDestinationPage(named)
                : destination instanceof PDPageDestination direct ? direct : null;
        if (on == null) return null;
        Integer page = on.getPage() != null ? pageNumbers.get(on.getPage().getCOSObject()) : Integer.valueOf(on.getPageNumber());
        if (page == null || page < 0 || page >= pages) return null;
        PDRectangle box = all.get(page).getCropBox();
        double up = on instanceof PDPageXYZDestination place ? place.getTop() : on instanceof PDPageFitWidthDestination fit ? fit.getTop() : -1;
        double top = up < 0 || all.get(page).getRotation() != 0 ? 0 : new Point2D.Double(0, box.getUpperRightY() - up).getY();
        return new Target(page, Math.max(0, top));
    }

    /** The bookmarks, in order. */
    public List<Bookmark> bookmarks() {
        List<Bookmark> found = new ArrayList<>();
        try {
            if (pdf.getDocumentCatalog().getDocumentOutline() != null) gather(pdf.getDocumentCatalog().getDocumentOutline(), 1, found, new HashSet<>());
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(SourceFile.class).info("Bookmarks break off", e);
        }
        return found;
    }

    private void gather(PDOutlineNode node, int level, List<Bookmark> found, Set<COSBase> seen) throws IOException {
        for (PDOutlineItem item : node.children()) {
            if (!seen.add(item.getCOSObject()) || found.size() > MOST_BOOKMARKS || level > 30) return;
            PDDestination destination = item.getDestination() != null ? item.getDestination() : item.getAction() instanceof PDActionGoTo inside
                    ? inside.getDestination() : null;
            Target target = target(destination);
            if (target != null && item.getTitle() != null) found.add(new Bookmark(level, item.getTitle(), target));
            gather(item, level + 1, found, seen);
        }
    }

    /** The page labels as printed, by page; null where there are none, or they can't be read. */
    public String[] labels() {
        try {
            return pdf.getDocumentCatalog().getPageLabels() == null ? null : pdf.getDocumentCatalog().getPageLabels().getLabelsByPageIndices();
        } catch (IOException | RuntimeException e) {
            return null;
        }
    }

    /** Title, author and so on, and the language. */
    public Facts facts() {
        PDDocumentInformation info = pdf.getDocumentInformation();
        return new Facts(text(info.getTitle()), text(info.getSubject()), text(info.getAuthor()), text(info.getKeywords()),
                text(pdf.getDocumentCatalog().getLanguage()),
                instant(info.getCreationDate()), instant(info.getModificationDate()), Map.of());
    }

    private static String text(String value) { return value == null || value.isBlank() ? null : value.trim(); }
    private static Instant instant(Calendar when) { return when == null ? null : when.toInstant(); }

    @Override public void close() { closeQuietly(pdf); }
}
