package app.decant.pdf;

import app.decant.layout.Page;
import app.decant.layout.Pages;
import app.decant.layout.Piece;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.apache.pdfbox.text.PDFTextStripper;

/** Opens a PDF again and looks whether it holds what was meant: pages, text in order, bookmarks and where they land, fonts, links. */
public final class PdfCheck {
    private static final int WORTH_SHARING = 200;

    private PdfCheck() { }

    /** One thing looked at: a sentence, and whether it is so. */
    public record Proof(String sentence, boolean holds) { }

    /**
     * Checks a file against the pages it was made of.
     *
     * @throws IOException where it cannot even be opened
     */
    public static List<Proof> check(Path file, Pages pages, PdfChoices choices, PdfWriter.Written written) throws IOException {
        List<Proof> proofs = new ArrayList<>();
        String owner = choices.protection().isOn() ? choices.protection().toChange() : "";
        try (PDDocument pdf = Loader.loadPDF(file.toFile(), owner)) {
            int count = choices.pages().size();
            proofs.add(new Proof(pdf.getNumberOfPages() + (count == 1 ? " page, as chosen" : " pages, as chosen"), pdf.getNumberOfPages() == count));
            int wrong = wrongPages(pdf, file, owner, pages, choices);
            proofs.add(new Proof(wrong == 0 ? "Text whole and in order on every page" : "Text differs on " + wrong + (wrong == 1 ? " page" : " pages"), wrong == 0));
            if (choices.style().bookmarks().any()) {
                int landed = landed(pdf, written.bookmarks());
                int expected = written.bookmarks().size();
                proofs.add(new Proof(expected == 0 ? "No headings, so no bookmarks" : landed + " of " + expected + " bookmarks land on their heading", landed == expected));
            }
            int[] fonts = fonts(pdf);
            int without = written.fontsLeftOut();
            proofs.add(new Proof(fonts[1] + " of " + fonts[0] + " fonts inside the file" + (without > 0 ? ", " + without + " left to the reader as chosen" : ""), fonts[0] == fonts[1] + without));
            proofs.addAll(PictureCheck.check(pdf, choices.style().pictures(), written.pictures()));
            int links = links(pdf);
            if (written.links() > 0 || links > 0) proofs.add(new Proof(links + (links == 1 ? " link live" : " links live"), links == written.links()));
            if (written.tagged()) proofs.add(tags(pdf));
            if (!choices.attachments().isEmpty()) {
                int attached = pdf.getDocumentCatalog().getNames() == null || pdf.getDocumentCatalog().getNames().getEmbeddedFiles() == null ? 0 : pdf.getDocumentCatalog().getNames().getEmbeddedFiles().getNames().size();
                proofs.add(new Proof(attached + (attached == 1 ? " file attached" : " files attached"), attached == choices.attachments().size()));
            }
            proofs.add(facts(pdf, choices));
        }
        if (choices.protection().isOn()) proofs.addAll(ProtectionCheck.check(file, choices.protection()));
        if (choices.style().standard() != Standard.NONE) {
            List<String> broken = StandardCheck.broken(file, choices.style().standard());
            String words = choices.style().standard().words();
            proofs.add(new Proof(broken.isEmpty() ? words + ": all machine rules kept" : words + " is not kept: " + String.join("; ", broken.subList(0, Math.min(3, broken.size()))), broken.isEmpty()));
        }
        return proofs;
    }

    private static Proof tags(PDDocument pdf) {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        COSDictionary tree = catalog.getCOSDictionary(COSName.STRUCT_TREE_ROOT);
        boolean marked = catalog.getCOSDictionary(COSName.MARK_INFO) != null && catalog.getCOSDictionary(COSName.MARK_INFO).getBoolean(COSName.getPDFName("Marked"), false);
        boolean holds = marked && tree != null && tree.getCOSDictionary(COSName.PARENT_TREE) != null && tree.getDictionaryObject(COSName.K) != null;
        return new Proof(holds ? "Tells its structure to screen readers" : "Its structure is not told", holds);
    }

    /** Facts are kept in two places, which must agree (ISO 32000-2, 14.3). */
    private static Proof facts(PDDocument pdf, PdfChoices choices) throws IOException {
        String title = choices.facts().title();
        String info = pdf.getDocumentInformation().getTitle();
        String packet = pdf.getDocumentCatalog().getMetadata() == null ? "" : new String(pdf.getDocumentCatalog().getMetadata().toByteArray(), java.nio.charset.StandardCharsets.UTF_8);
        boolean holds = java.util.Objects.equals(title, info) && (title == null ? !packet.contains("<dc:title>") : packet.contains(escaped(title)));
        return new Proof(!holds ? "Its facts disagree" : title == null ? "No title, as chosen" : "Title and facts in both places, agreeing", holds);
    }

    private static String escaped(String text) { return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;"); }

    /** Long files are read by all cores, each opening the file for itself. */
    private static int wrongPages(PDDocument pdf, Path file, String owner, Pages pages, PdfChoices choices) throws IOException {
        int count = Math.min(choices.pages().size(), pdf.getNumberOfPages());
        int parts = Math.min(Runtime.getRuntime().availableProcessors(), 1 + count / WORTH_SHARING);
        List<CompletableFuture<Integer>> others = new ArrayList<>();
        for (int i = 1; i < parts; i++) {
            int from = count * i / parts;
            int to = count * (i + 1) / parts;
            others.add(CompletableFuture.supplyAsync(() -> {
                try (PDDocument own = Loader.loadPDF(file.toFile(), owner)) {
                    return wrongPages(own, pages, choices, from, to);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            }));
        }
        int wrong = wrongPages(pdf, pages, choices, 0, count / parts);
        try {
            for (CompletableFuture<Integer> other : others) wrong += other.join();
        } catch (CompletionException e) {
            if (e.getCause() instanceof UncheckedIOException read) throw read.getCause();
            throw e;
        }
        return wrong;
    }

    private static int wrongPages(PDDocument pdf, Pages pages, PdfChoices choices, int from, int to) throws IOException {
        BitSet right = new BitSet();
        BitSet empty = new BitSet();
        empty.set(from, to);
        StringWriter text = new StringWriter();
        // All pages in one go: asked for page by page, the library walks through the whole file each time.
        PDFTextStripper stripper = new PDFTextStripper() {
            @Override protected void endPage(PDPage page) {
                int at = getCurrentPageNo() - 1;
                empty.clear(at);
                right.set(at, same(text.toString(), pages.page(choices.pages().get(at)), choices));
                text.getBuffer().setLength(0);
            }
        };
        stripper.setStartPage(from + 1);
        stripper.setEndPage(to);
        stripper.writeText(pdf, text);
        // Pages that hold nothing at all are passed over by the library.
        empty.stream().forEach(at -> right.set(at, same("", pages.page(choices.pages().get(at)), choices)));
        return to - from - right.cardinality();
    }

    private static boolean same(String read, Page page, PdfChoices choices) {
        String found = squeezed(read);
        String expected = squeezed(text(page));
        if (!choices.overlays().isEmpty() && found.contains(expected)) return true;
        return found.equals(expected) || hasRightToLeft(expected) && sorted(found).equals(sorted(expected));
    }

    /** All text of a page in the order it is drawn. */
    public static String text(Page page) {
        StringBuilder text = new StringBuilder();
        page.show(new app.decant.layout.Canvas() {
            @Override public void glyphs(Piece.Glyphs glyphs, double x, double baseline, app.decant.document.Colour colour) { text.append(glyphs.text()).append(' '); }
            @Override public void fill(double x, double y, double width, double height, app.decant.document.Colour colour) { }
            @Override public void rule(double x1, double y1, double x2, double y2, app.decant.document.Border border) { }
            @Override public void picture(app.decant.document.Picture picture, double x, double y) { }
        });
        return text.toString();
    }

    /** Without white space and invisible characters; letters that Unicode counts as the same made the same. */
    private static String squeezed(String text) {
        String same = java.text.Normalizer.normalize(text, java.text.Normalizer.Form.NFKC);
        StringBuilder result = new StringBuilder(same.length());
        for (int i = 0; i < same.length(); i++) {
            char c = same.charAt(i);
            if (!Character.isWhitespace(c) && !Character.isSpaceChar(c) && !Character.isISOControl(c) && Character.getType(c) != Character.FORMAT && c != '\u00AD') result.append(c);
        }
        return result.toString();
    }

    private static boolean hasRightToLeft(String text) {
        return com.ibm.icu.text.Bidi.requiresBidi(text.toCharArray(), 0, text.length());
    }

    private static String sorted(String text) {
        int[] points = text.codePoints().map(PdfCheck::unmirrored).sorted().toArray();
        return new String(points, 0, points.length);
    }

    private static int unmirrored(int c) { return Math.min(c, com.ibm.icu.lang.UCharacter.getMirror(c)); }

    private static int landed(PDDocument pdf, List<PdfWriter.Landing> expected) throws IOException {
        List<PDOutlineItem> items = new ArrayList<>();
        if (pdf.getDocumentCatalog().getDocumentOutline() != null) gather(pdf.getDocumentCatalog().getDocumentOutline(), items);
        if (items.size() != expected.size()) return 0;
        int landed = 0;
        for (int i = 0; i < items.size(); i++) {
            PdfWriter.Landing wanted = expected.get(i);
            PDOutlineItem item = items.get(i);
            if (!wanted.title().equals(item.getTitle()) || !(item.getDestination() instanceof PDPageXYZDestination destination)) continue;
            int page = destination.retrievePageNumber();
            if (page != wanted.page()) continue;
            double top = pdf.getPage(page).getMediaBox().getHeight() - destination.getTop();
            if (Math.abs(top - wanted.top()) <= 1.5) landed++;
        }
        return landed;
    }

    private static void gather(PDOutlineNode node, List<PDOutlineItem> items) {
        for (PDOutlineItem item : node.children()) {
            items.add(item);
            gather(item, items);
        }
    }

    /** How many fonts, and how many of them with their program inside. */
    private static int[] fonts(PDDocument pdf) throws IOException {
        Map<COSDictionary, Boolean> fonts = new IdentityHashMap<>();
        for (PDPage page : pdf.getPages()) {
            if (page.getResources() == null) continue;
            for (COSName name : page.getResources().getFontNames()) {
                PDFont font = page.getResources().getFont(name);
                if (font != null) fonts.put(font.getCOSObject(), font.isEmbedded() && !font.isDamaged());
            }
        }
        return new int[] {fonts.size(), (int) fonts.values().stream().filter(Boolean::booleanValue).count()};
    }

    private static int links(PDDocument pdf) throws IOException {
        int links = 0;
        for (PDPage page : pdf.getPages()) {
            links += page.getAnnotations(annotation -> annotation instanceof PDAnnotationLink).size();
        }
        return links;
    }
}
