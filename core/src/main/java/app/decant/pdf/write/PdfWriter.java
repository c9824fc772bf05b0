package app.decant.pdf.write;

import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Link;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.font.EmbeddingRight;
import app.decant.font.Face;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Piece;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.font.EmbeddedFace;
import app.decant.pdf.font.PageFont;
import app.decant.pdf.font.StandardFace;
import app.decant.pdf.font.WesternFaces;
import app.decant.pdf.lock.DocumentLock;
import app.decant.pdf.page.FieldRoom;
import app.decant.pdf.page.OverlayPainter;
import app.decant.pdf.page.PageContent;
import app.decant.pdf.picture.PictureEmbedding;
import app.decant.pdf.picture.PictureWidths;
import app.decant.pdf.structure.PageTags;
import app.decant.pdf.structure.Structure;
import app.decant.words.Message;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.zip.Deflater;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.slf4j.LoggerFactory;

/** Writes pages as a PDF. Made for one file and thrown away; the same pages and choices give the same bytes. */
public final class PdfWriter {
    private final Pages pages;
    private final PdfChoices choices;
    private final PDDocument pdf = new PDDocument();
    private final Map<Face, EmbeddedFace> faces = new LinkedHashMap<>();
    private final Map<Face, StandardFace> standard = new LinkedHashMap<>();
    private Set<Face> leftOut = Set.of();
    private final Map<Image, PDXObject> images = new IdentityHashMap<>();
    private final Map<Content, PDXObject> byContent = new HashMap<>();
    private final Map<Image, Double> shownWidths = new IdentityHashMap<>();
    private final PictureEmbedding embedding;
    private final OverlayPainter overlays;
    private final Structure structure;
    private final Map<COSStream, Future<byte[]>> streams = new LinkedHashMap<>();
    private final Map<Integer, PDPage> written = new LinkedHashMap<>();
    private final Map<String, Map.Entry<Integer, Double>> bookmarks = new HashMap<>();
    private final Set<Finding> findings = new LinkedHashSet<>();
    private int links;
    /** Addresses that may not pass, by their scheme. */
    private final Map<String, Set<String>> kept = new TreeMap<>();

    /** A picture as it is compared: by all of its bytes. */
    private record Content(String type, byte[] bytes) {
        @Override public boolean equals(Object other) {
            return other instanceof Content content && type.equals(content.type) && Arrays.equals(bytes, content.bytes);
        }
        @Override public int hashCode() { return Arrays.hashCode(bytes); }
    }

    /** Where a bookmark leads: the page's place in the file, and how far down from its top. */
    public record Landing(String title, int page, double top) { }

    /** What was written, so that the file can be checked against it; of fields what each holds, by its name. */
    public record Written(List<Landing> bookmarks, int links, int fonts, int fontsLeftOut, int pictures, boolean tagged, List<Finding> findings,
            Map<String, String> fields) {
        public Written {
            fields = Map.copyOf(fields);
            bookmarks = List.copyOf(bookmarks);
            findings = List.copyOf(findings);
        }
    }

    private PdfWriter(Pages pages, PdfChoices choices) {
        this.pages = pages;
        this.choices = choices;
        embedding = new PictureEmbedding(pdf, choices.style().pictures(), choices.style().standard());
        overlays = new OverlayPainter(pdf, pages);
        structure = choices.style().tells() ? new Structure(pages.structure()) : null;
    }

    /**
     * Writes the file.
     *
     * @throws IOException       where the stream takes no more
     * @throws DecantException where choices contradict each other, or ask for what the document does not have
     */
    public static Written write(Pages pages, PdfChoices choices, OutputStream out, Progress progress) throws IOException {
        choices.refuseContradictions();
        return new PdfWriter(pages, choices).write(out, progress);
    }

    private Written write(OutputStream out, Progress progress) throws IOException {
        ExecutorService compressors = Executors.newFixedThreadPool(Math.max(1, Runtime.getRuntime().availableProcessors()), task -> {
            Thread thread = new Thread(task, "compressing");
            thread.setDaemon(true);
            return thread;
        });
        try (pdf) {
            for (int index : choices.pages()) {
                bookmarksOf(pages.page(index));
                if (choices.style().pictures().coarsens()) pages.page(index).show(new PictureWidths(shownWidths));
            }
            if (choices.style().fonts() == PdfChoices.Fonts.STANDARD_LEFT_OUT) leftOut = leftOut();
            int done = 0;
            List<PageContent> contents = new ArrayList<>();
            for (int index : choices.pages()) {
                progress.step(done++, choices.pages().size(), Message.of("step.writing-pages"));
                contents.add(page(pages.page(index), compressors));
            }
            int i = 0;
            for (PDPage page : written.values()) links(page, contents.get(i++));
            List<Finding> ofFields = new ArrayList<>();
            Map<String, String> fields = FormWriter.write(pdf, List.copyOf(written.values()), contents.stream().map(PageContent::fields).toList(), ofFields);
            findings.addAll(ofFields);
            for (Map.Entry<COSStream, Future<byte[]>> stream : streams.entrySet()) {
                try (OutputStream raw = stream.getKey().createRawOutputStream()) {
                    raw.write(stream.getValue().get());
                }
                if (choices.style().compressed()) stream.getKey().setItem(COSName.FILTER, COSName.FLATE_DECODE);
            }
            for (EmbeddedFace face : faces.values()) {
                rights(face.face());
                face.finish(choices.style());
            }
            List<Landing> landings = new OutlineWriter(pdf, pages, choices).bookmarks();
            new OutlineWriter(pdf, pages, choices).labels();
            if (structure != null) {
                refuseNameless();
                structure.write(pdf);
            }
            new CatalogueWriter(pdf, choices, !landings.isEmpty()).write();
            pdf.setVersion((float) choices.version());
            pdf.setDocumentId(choices.when().toEpochMilli());
            boolean packed = choices.style().compressed() && choices.version() >= 1.5;
            if (choices.style().linearized()) {
                ByteArrayOutputStream plain = new ByteArrayOutputStream(1 << 20);
                pdf.save(plain, CompressParameters.NO_COMPRESSION);
                Linearizer.write(plain.toByteArray(), lock(), out);
            } else {
                if (choices.protection().isOn()) lock().on(pdf);
                pdf.save(out, packed ? CompressParameters.DEFAULT_COMPRESSION : CompressParameters.NO_COMPRESSION);
            }
            kept.forEach((scheme, addresses) -> findings.add(Link.Address.leftOut(scheme, addresses.size())));
            return new Written(landings, links, faces.size(), standard.size(), (int) byContent.values().stream()
                    .filter(one -> one instanceof PDImageXObject).count(), structure != null, List.copyOf(findings), fields);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new DecantException(DecantException.Kind.CANCELLED, Message.of("document.stopped-nothing-was-changed"), e);
        } catch (ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        } finally {
            compressors.shutdownNow();
        }
    }

    private DocumentLock lock() { return choices.protection().isOn() ? new DocumentLock(choices.protection()) : null; }

    /** Compressing takes longer than writing, so pages are compressed side by side. */
    private static byte[] compressed(byte[] content) {
        Deflater deflater = new Deflater();
        try {
            deflater.setInput(content);
            deflater.finish();
            ByteArrayOutputStream bytes = new ByteArrayOutputStream(content.length / 2 + 64);
            byte[] chunk = new byte[8192];
            while (!deflater.finished()) bytes.write(chunk, 0, deflater.deflate(chunk));
            return bytes.toByteArray();
        } finally {
            deflater.end();
        }
    }

    private void bookmarksOf(Page page) { page.bookmarks().forEach((name, y) -> bookmarks.putIfAbsent(name, Map.entry(page.index(), y))); }

    private PageContent page(Page page, ExecutorService compressors) throws IOException {
        PDPage made = new PDPage(new PDRectangle((float) page.width(), (float) page.height()));
        PageContent content = new PageContent(page.height(), this::font, this::image);
        int place = written.size();
        if (choices.style().fillable()) content.fillable(new FieldRoom(page));
        PageTags tags = structure == null ? null : structure.nextPage();
        if (tags != null) content.tag(tags);
        overlay(true, place, page, content);
        page.showFrame(content);
        for (Item item : page.text()) {
            if (tags != null) tags.item(item);
            Page.show(item, content);
        }
        if (tags != null) tags.artifacts();
        overlay(false, place, page, content);
        COSStream stream = pdf.getDocument().createCOSStream();
        byte[] plain = content.bytes();
        boolean packs = choices.style().compressed();
        streams.put(stream, compressors.submit(() -> packs ? compressed(plain) : plain));
        COSDictionary resources = new COSDictionary();
        resources.setItem(COSName.FONT, content.fontResources());
        if (!content.pictures().isEmpty()) {
            COSDictionary objects = new COSDictionary();
            content.pictures().forEach((image, name) -> objects.setItem(name, image));
            resources.setItem(COSName.XOBJECT, objects);
        }
        if (overlays.states() != null) resources.setItem(COSName.EXT_G_STATE, overlays.states());
        made.getCOSObject().setItem(COSName.RESOURCES, resources);
        made.getCOSObject().setItem(COSName.CONTENTS, stream);
        pdf.addPage(made);
        written.put(page.index(), made);
        return content;
    }

    private void overlay(boolean under, int place, Page page, PageContent content) throws IOException {
        for (Overlay overlay : choices.overlays())
            if (overlay.under() == under && overlay.isOn(place))
                overlays.paint(overlay, new OverlayPainter.Fields(place + 1, choices.pages().size(), page.label()), content, page.width(), page.height());
    }

    /** Words laid on pages may hold any character, so their font stays inside. */
    private Set<Face> leftOut() {
        Set<Face> western = WesternFaces.on(() -> choices.pages().stream().map(pages::page).iterator());
        if (choices.overlays().stream().anyMatch(overlay -> overlay.content() instanceof Overlay.Words))
            western.removeIf(face -> face.family().equals(OverlayPainter.FAMILY));
        if (choices.pages().stream().anyMatch(index -> hasUnseenWords(pages.page(index))))
            western.removeIf(face -> face.family().equals(PageContent.UNSEEN_FAMILY));
        return western;
    }

    private static boolean hasUnseenWords(Page page) {
        return page.text().stream().anyMatch(item -> item instanceof Item.PictureItem floating && !floating.picture().words().isEmpty()
                || item instanceof Item.LineItem line && line.line().pieces().stream().anyMatch(piece -> piece instanceof Piece.PictureBox box
                        && !box.picture().words().isEmpty()));
    }

    private PageFont font(Face face) {
        if (leftOut.contains(face)) return standard.computeIfAbsent(face, StandardFace::new);
        return faces.computeIfAbsent(face, EmbeddedFace::new);
    }

    private PDXObject image(Picture picture) {
        return images.computeIfAbsent(picture.image(), image -> {
            try {
                Content key = new Content(image.type(), image.bytes());
                PDXObject known = byContent.get(key);
                if (known != null) return known;
                PDXObject made = embedding.embed(image, shownWidths.getOrDefault(image, picture.width()));
                byContent.put(key, made);
                return made;
            } catch (IOException | RuntimeException e) {
                LoggerFactory.getLogger(PdfWriter.class).info("A picture can't be embedded: {}", image, e);
                findings.add(Finding.lost(Message.of("write.a-picture-cannot-be-shown-its-place", image.type())));
                return null;
            }
        });
    }

    /** Accessible files describe every picture (ISO 14289-1, 7.3). */
    private void refuseNameless() {
        int count = structure.nameless();
        if (count == 0) return;
        if (choices.style().standard().needsTags()) {
            throw new DecantException(DecantException.Kind.WRONG_CALL,
                    Message.of("write.needs-descriptions", choices.style().standard().words(), count));
        }
        findings.add(Finding.changed(Message.of("write.nameless", count)));
    }

    private void rights(Face face) {
        if (EmbeddingRight.forbidsOutlines(face.fsType())) {
            throw new DecantException(DecantException.Kind.NOT_PERMITTED, Message.of("write.the-licence-of-forbids-putting-it-into", face));
        }
        if (face.embeddingRight() == EmbeddingRight.PREVIEW_AND_PRINT)
            findings.add(Finding.note(Message.of("write.the-licence-of-allows-it-in-files", face)));
        if (EmbeddingRight.forbidsSubsets(face.fsType()) && !choices.style().takesWhole(face.family()))
            findings.add(Finding.note(Message.of("write.the-licence-of-asks-for-the-whole", face)));
    }

    private void links(PDPage page, PageContent content) {
        COSArray annotations = new COSArray();
        double height = page.getMediaBox().getHeight();
        for (PageContent.LinkArea area : content.links()) {
            if (area.target() instanceof Link.Address address && !address.passes(choices.addresses())) {
                kept.computeIfAbsent(address.scheme(), scheme -> new HashSet<>()).add(address.uri());
                continue;
            }
            COSDictionary annotation = new COSDictionary();
            annotation.setItem(COSName.TYPE, COSName.ANNOT);
            annotation.setName(COSName.SUBTYPE, "Link");
            annotation.setItem(COSName.RECT, new PDRectangle((float) area.x(), (float) (height - area.y() - area.height()), (float) area.width(),
                    (float) area.height()));
            COSArray border = new COSArray();
            for (int i = 0; i < 3; i++) border.add(COSInteger.ZERO);
            annotation.setItem(COSName.BORDER, border);
            annotation.setItem(COSName.P, page.getCOSObject());
            annotation.setInt(COSName.F, 4); // printed with the page (12.5.3), as the archive standard asks
            if (!target(annotation, area.target())) continue;
            if (area.tag() != null) {
                annotation.setInt(COSName.STRUCT_PARENT, structure.annotate(area.tag(), annotation));
                annotation.setString(COSName.CONTENTS, area.target() instanceof Link.Address address ? address.uri() : "Place in this document");
            }
            annotations.add(annotation);
            links++;
        }
        if (annotations.size() > 0) page.getCOSObject().setItem(COSName.ANNOTS, annotations);
    }

    /** Gives a link its target; false where it leads nowhere in this file. */
    private boolean target(COSDictionary annotation, Link link) {
        if (link instanceof Link.Address address) {
            COSDictionary action = new COSDictionary();
            action.setItem(COSName.S, COSName.URI);
            action.setItem(COSName.URI, new COSString(address.ascii()));
            annotation.setItem(COSName.A, action);
            return true;
        }
        String name = ((Link.Inside) link).bookmark();
        Map.Entry<Integer, Double> place = bookmarks.get(name);
        if (place == null) {
            boolean exists = pages.bookmark(name) != null;
            findings.add(Finding.changed(Message.of("write.a-link-leads", exists, name)));
            return false;
        }
        annotation.setItem(COSName.DEST, destination(written.get(place.getKey()), place.getValue()));
        return true;
    }

    /** A place on a page, {@code y} from its top. */
    static COSArray destination(PDPage page, double y) {
        COSArray destination = new COSArray();
        destination.add(page.getCOSObject());
        destination.add(COSName.getPDFName("XYZ"));
        destination.add(COSNull.NULL);
        destination.add(new COSFloat((float) (page.getCropBox().getUpperRightY() - Math.max(0, y))));
        destination.add(COSNull.NULL);
        return destination;
    }
}
