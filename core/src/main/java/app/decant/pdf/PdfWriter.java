package app.decant.pdf;

import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Link;
import app.decant.document.Outline;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.font.EmbeddingRight;
import app.decant.font.Face;
import app.decant.layout.Page;
import app.decant.layout.Pages;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PageMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;

/** Writes pages as a PDF. Made for one file and thrown away; the same pages and choices give the same bytes. */
public final class PdfWriter {
    private final Pages pages;
    private final PdfChoices choices;
    private final PDDocument pdf = new PDDocument();
    private final Map<Face, EmbeddedFace> faces = new LinkedHashMap<>();
    private final Map<Image, PDXObject> images = new IdentityHashMap<>();
    private final Map<COSStream, Future<byte[]>> streams = new LinkedHashMap<>();
    private final Map<Integer, PDPage> written = new LinkedHashMap<>();
    private final Map<String, Map.Entry<Integer, Double>> bookmarks = new HashMap<>();
    private final Set<Finding> findings = new LinkedHashSet<>();
    private int links;
    private final List<Landing> landings = new ArrayList<>();

    /** Where a bookmark leads: the page's place in the file, and how far down from its top. */
    public record Landing(String title, int page, double top) { }

    /** What was written, so that the file can be checked against it. */
    public record Written(List<Landing> bookmarks, int links, int fonts, List<Finding> findings) {
        public Written {
            bookmarks = List.copyOf(bookmarks);
            findings = List.copyOf(findings);
        }
    }

    private PdfWriter(Pages pages, PdfChoices choices) {
        this.pages = pages;
        this.choices = choices;
    }

    /**
     * Writes the file.
     *
     * @throws IOException where the stream takes no more
     */
    public static Written write(Pages pages, PdfChoices choices, OutputStream out, Progress progress) throws IOException {
        return new PdfWriter(pages, choices).write(out, progress);
    }

    private Written write(OutputStream out, Progress progress) throws IOException {
        ExecutorService compressors = Executors.newFixedThreadPool(Math.max(1, Runtime.getRuntime().availableProcessors()), task -> {
            Thread thread = new Thread(task, "compressing");
            thread.setDaemon(true);
            return thread;
        });
        try (pdf) {
            for (int index : choices.pages()) bookmarksOf(pages.page(index));
            int done = 0;
            List<PageContent> contents = new ArrayList<>();
            for (int index : choices.pages()) {
                progress.step(done++, choices.pages().size(), "Writing pages");
                contents.add(page(pages.page(index), compressors));
            }
            int i = 0;
            for (PDPage page : written.values()) links(page, contents.get(i++));
            for (Map.Entry<COSStream, Future<byte[]>> stream : streams.entrySet()) {
                try (OutputStream raw = stream.getKey().createRawOutputStream()) {
                    raw.write(stream.getValue().get());
                }
                stream.getKey().setItem(COSName.FILTER, COSName.FLATE_DECODE);
            }
            for (EmbeddedFace face : faces.values()) {
                rights(face.face());
                face.finish(choices.fonts());
            }
            outline();
            labels();
            facts();
            pdf.setVersion(1.7f);
            pdf.setDocumentId(choices.when().toEpochMilli());
            pdf.save(out);
            return new Written(landings, links, faces.size(), List.copyOf(findings));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new DecantException(DecantException.Kind.CANCELLED, "Stopped. Nothing was changed.", e);
        } catch (ExecutionException e) {
            throw new IllegalStateException(e.getCause());
        } finally {
            compressors.shutdownNow();
        }
    }

    /** Compressing takes longer than writing, so pages are compressed side by side. */
    private static byte[] compressed(byte[] content) {
        java.util.zip.Deflater deflater = new java.util.zip.Deflater();
        try {
            deflater.setInput(content);
            deflater.finish();
            java.io.ByteArrayOutputStream bytes = new java.io.ByteArrayOutputStream(content.length / 2 + 64);
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
        PageContent content = new PageContent(page.height(), face -> faces.computeIfAbsent(face, EmbeddedFace::new), this::image);
        page.show(content);
        COSStream stream = pdf.getDocument().createCOSStream();
        byte[] plain = content.bytes();
        streams.put(stream, compressors.submit(() -> compressed(plain)));
        COSDictionary resources = new COSDictionary();
        resources.setItem(COSName.FONT, content.fontResources());
        if (!content.pictures().isEmpty()) {
            COSDictionary objects = new COSDictionary();
            content.pictures().forEach((image, name) -> objects.setItem(name, image));
            resources.setItem(COSName.XOBJECT, objects);
        }
        made.getCOSObject().setItem(COSName.RESOURCES, resources);
        made.getCOSObject().setItem(COSName.CONTENTS, stream);
        pdf.addPage(made);
        written.put(page.index(), made);
        return content;
    }

    private PDXObject image(Picture picture) {
        return images.computeIfAbsent(picture.image(), image -> {
            try {
                return PictureEmbedding.embed(pdf, image);
            } catch (IOException | RuntimeException e) {
                org.slf4j.LoggerFactory.getLogger(PdfWriter.class).info("A picture can't be embedded: {}", image, e);
                findings.add(Finding.lost("A picture (" + image.type() + ") can't be shown; its place is left empty.", ""));
                return null;
            }
        });
    }

    private void rights(Face face) {
        if (EmbeddingRight.forbidsOutlines(face.fsType())) findings.add(Finding.changed("The licence of " + face + " forbids embedding; choose another font before you send this file out.", ""));
    }

    private void links(PDPage page, PageContent content) {
        COSArray annotations = new COSArray();
        double height = page.getMediaBox().getHeight();
        for (PageContent.LinkArea area : content.links()) {
            COSDictionary annotation = new COSDictionary();
            annotation.setItem(COSName.TYPE, COSName.ANNOT);
            annotation.setName(COSName.SUBTYPE, "Link");
            annotation.setItem(COSName.RECT, new PDRectangle((float) area.x(), (float) (height - area.y() - area.height()), (float) area.width(), (float) area.height()));
            COSArray border = new COSArray();
            for (int i = 0; i < 3; i++) border.add(COSInteger.ZERO);
            annotation.setItem(COSName.BORDER, border);
            annotation.setInt(COSName.F, 4); // printed with the page (12.5.3), as the archive standard asks
            if (!target(annotation, area.target())) continue;
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
            action.setItem(COSName.URI, new COSString(ascii(address.uri())));
            annotation.setItem(COSName.A, action);
            return true;
        }
        String name = ((Link.Inside) link).bookmark();
        Map.Entry<Integer, Double> place = bookmarks.get(name);
        if (place == null) {
            boolean exists = pages.bookmark(name) != null;
            findings.add(Finding.changed(exists ? "A link leads to a page that is left out; it was made plain text." : "A link leads to “" + name + "”, which is not in the document; it was made plain text.", ""));
            return false;
        }
        annotation.setItem(COSName.DEST, destination(place.getKey(), place.getValue()));
        return true;
    }

    /** Addresses are ASCII (12.6.4.7); other characters are written by their UTF-8 bytes (RFC 3987, 3.1). */
    private static String ascii(String uri) {
        StringBuilder text = new StringBuilder();
        for (byte b : uri.trim().getBytes(java.nio.charset.StandardCharsets.UTF_8)) {
            if (b > ' ' && b < 127) text.append((char) b);
            else text.append(String.format("%%%02X", b & 0xFF));
        }
        return text.toString();
    }

    private COSArray destination(int index, double y) {
        PDPage page = written.get(index);
        COSArray destination = new COSArray();
        destination.add(page.getCOSObject());
        destination.add(COSName.getPDFName("XYZ"));
        destination.add(COSNull.NULL);
        destination.add(new COSFloat((float) Math.min(page.getMediaBox().getHeight(), page.getMediaBox().getHeight() - y)));
        destination.add(COSNull.NULL);
        return destination;
    }

    /** Heading bookmarks (12.3.3); each lands at the top of its heading's first line. */
    private void outline() {
        if (!choices.bookmarks().any()) return;
        PDDocumentOutline root = new PDDocumentOutline();
        Deque<PDOutlineNode> parents = new ArrayDeque<>(List.of(root));
        Deque<Integer> levels = new ArrayDeque<>(List.of(0));
        List<PDOutlineItem> open = new ArrayList<>();
        List<Integer> order = new ArrayList<>(written.keySet());
        for (Outline.Heading heading : pages.outline().headings()) {
            if (!choices.bookmarks().includes(heading.level())) continue;
            Pages.Spot spot = pages.spot(new Place(heading.path(), 0));
            if (spot == null || !written.containsKey(spot.page())) continue;
            while (levels.peek() >= heading.level()) {
                levels.pop();
                parents.pop();
            }
            PDOutlineItem item = new PDOutlineItem();
            item.setTitle(heading.title());
            PDPageXYZDestination destination = new PDPageXYZDestination(destination(spot.page(), spot.line().y()));
            item.setDestination(destination);
            parents.peek().addLast(item);
            if (heading.level() <= choices.bookmarks().open()) open.add(item);
            parents.push(item);
            levels.push(heading.level());
            landings.add(new Landing(heading.title(), order.indexOf(spot.page()), spot.line().y()));
        }
        if (landings.isEmpty()) return;
        for (int i = open.size() - 1; i >= 0; i--) if (open.get(i).hasChildren()) open.get(i).openNode();
        root.openNode();
        pdf.getDocumentCatalog().setDocumentOutline(root);
        pdf.getDocumentCatalog().setPageMode(PageMode.USE_OUTLINES);
    }

    /** Page labels (12.4.2), where the printed numbers are not simply 1, 2, 3. */
    private void labels() {
        COSArray numbers = new COSArray();
        PageLabel before = null;
        boolean plain = true;
        int index = 0;
        for (int page : choices.pages()) {
            PageLabel label = PageLabel.of(pages.page(page).label());
            if (before == null || !label.follows(before)) {
                numbers.add(COSInteger.get(index));
                numbers.add(label.dictionary());
            }
            plain &= pages.page(page).label().equals(Integer.toString(index + 1));
            before = label;
            index++;
        }
        if (plain) return;
        COSDictionary tree = new COSDictionary();
        tree.setItem(COSName.NUMS, numbers);
        pdf.getDocumentCatalog().getCOSObject().setItem(COSName.PAGE_LABELS, tree);
    }

    private void facts() throws IOException {
        Facts facts = choices.facts();
        DocumentFacts.write(pdf, facts, choices.when());
        if (facts.language() != null) pdf.getDocumentCatalog().setLanguage(facts.language());
        if (facts.title() != null) {
            COSDictionary preferences = new COSDictionary();
            preferences.setBoolean(COSName.getPDFName("DisplayDocTitle"), true);
            pdf.getDocumentCatalog().getCOSObject().setItem(COSName.VIEWER_PREFERENCES, preferences);
        }
    }
}
