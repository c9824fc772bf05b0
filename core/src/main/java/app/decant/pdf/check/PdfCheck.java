package app.decant.pdf.check;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Picture;
import app.decant.page.Canvas;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Piece;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.Standard;
import app.decant.pdf.write.DocumentFacts;
import app.decant.pdf.write.PdfWriter;
import app.decant.words.Message;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDField;

/** Opens a PDF again and looks whether it holds what was meant: pages, text in order, bookmarks and where they land, fonts, links. */
public final class PdfCheck {
    /** How many pages one core reads before it takes others. */
    private static final int TOGETHER = 32;

    private PdfCheck() { }

    /** One thing looked at: a sentence, and whether it is so. */
    public record Proof(Message message, boolean holds) {
        /** In words. */
        public String sentence() { return message.toString(); }
    }

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
            proofs.add(new Proof(Message.of("check.pages-as-chosen", pdf.getNumberOfPages(), count), pdf.getNumberOfPages() == count));
            int wrong = wrongPages(pdf, pages, choices);
            proofs.add(new Proof(Message.of("check.text-differs-on-pages", wrong == 0, wrong), wrong == 0));
            if (choices.style().bookmarks().any()) {
                int landed = landed(pdf, written.bookmarks());
                int expected = written.bookmarks().size();
                proofs.add(new Proof(Message.of("check.of-bookmarks-land-on-their-heading", expected == 0, landed, expected), landed == expected));
            }
            int[] fonts = fonts(pdf);
            int without = written.fontsLeftOut();
            proofs.add(new Proof(Message.of("check.of-fonts-inside-the-file", fonts[1], fonts[0], without > 0, without), fonts[0] == fonts[1] + without));
            proofs.addAll(PictureCheck.check(pdf, choices.style().pictures(), written.pictures()));
            int links = links(pdf);
            if (written.links() > 0 || links > 0) proofs.add(new Proof(Message.of("check.links-live", links), links == written.links()));
            if (written.tagged()) proofs.add(tags(pdf));
            proofs.addAll(AttachedFiles.check(null, pdf, choices.attachments()));
            if (!written.fields().isEmpty()) proofs.add(fields(pdf, written.fields()));
            proofs.add(facts(pdf, choices));
        }
        if (choices.protection().isOn()) proofs.addAll(ProtectionCheck.check(file, choices.protection()));
        if (choices.style().standard() != Standard.NONE) proofs.add(standard(file, choices.style().standard()));
        return proofs;
    }

    static Proof standard(Path file, Standard standard) throws IOException {
        List<Message> broken = StandardCheck.broken(file, standard);
        return new Proof(Message.of("check.is-not-kept", broken.isEmpty(), standard.words(), Message.list(broken.subList(0, Math.min(3, broken.size())))),
                broken.isEmpty());
    }

    /** Fields as they were meant: their names, and what each holds. */
    private static Proof fields(PDDocument pdf, Map<String, String> expected) {
        int found = 0;
        int all = 0;
        PDAcroForm form = pdf.getDocumentCatalog().getAcroForm();
        if (form != null) for (PDField field : form.getFieldTree()) {
            all++;
            COSDictionary told = field.getCOSObject();
            String value = told.getDictionaryObject(COSName.V) instanceof COSName name ? name.getName() : told.getString(COSName.V, "");
            if (value.equals(expected.get(field.getFullyQualifiedName())) && !field.getWidgets().isEmpty()) found++;
        }
        boolean holds = found == expected.size() && all == found;
        return new Proof(Message.of(holds ? "check.fields-to-fill" : "check.of-fields-to-fill", found, expected.size()), holds);
    }

    private static Proof tags(PDDocument pdf) {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        COSDictionary tree = catalog.getCOSDictionary(COSName.STRUCT_TREE_ROOT);
        boolean marked = catalog.getCOSDictionary(COSName.MARK_INFO) != null && catalog.getCOSDictionary(COSName.MARK_INFO)
                .getBoolean(COSName.getPDFName("Marked"), false);
        boolean holds = marked && tree != null && tree.getCOSDictionary(COSName.PARENT_TREE) != null && tree.getDictionaryObject(COSName.K) != null;
        return new Proof(Message.of("check.its-structure-is-not-told", holds), holds);
    }

    /** Facts are kept in two places, which must agree with what was chosen and so with each other (ISO 32000-2, 14.3). */
    private static Proof facts(PDDocument pdf, PdfChoices choices) throws IOException {
        Map<String, String> differing = DocumentFacts.differing(pdf, choices.facts());
        if (!differing.isEmpty()) return new Proof(Message.of("check.its-facts-are-not-as-chosen", String.join(", ", differing.keySet())), false);
        return new Proof(Message.of("check.title-and-facts-in-both-places-agreeing", choices.facts().title() == null), true);
    }

    /** Streams are fetched here, and read and compared by all cores, some pages at a time. */
    private static int wrongPages(PDDocument pdf, Pages pages, PdfChoices choices) throws IOException {
        int count = Math.min(choices.pages().size(), pdf.getNumberOfPages());
        StreamText reading = new StreamText();
        Deque<CompletableFuture<Integer>> others = new ArrayDeque<>();
        Iterator<PDPage> following = pdf.getPages().iterator();
        int wrong = 0;
        try {
            for (int from = 0; from < count; from += TOGETHER) {
                List<StreamText.Fetched> fetched = new ArrayList<>();
                for (int i = from; i < Math.min(count, from + TOGETHER); i++) fetched.add(reading.fetched(following.next()));
                int first = from;
                others.add(CompletableFuture.supplyAsync(() -> wrongPages(fetched, first, pages, choices)));
                if (others.size() > 4 * Runtime.getRuntime().availableProcessors()) wrong += others.poll().join();
            }
            while (!others.isEmpty()) wrong += others.poll().join();
        } catch (CompletionException e) {
            if (e.getCause() instanceof UncheckedIOException read) throw read.getCause();
            throw e;
        }
        return wrong;
    }

    private static int wrongPages(List<StreamText.Fetched> fetched, int first, Pages pages, PdfChoices choices) {
        int wrong = 0;
        try {
            for (int i = 0; i < fetched.size(); i++) if (!same(fetched.get(i).read(), pages.page(choices.pages().get(first + i)), choices)) wrong++;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return wrong;
    }

    static boolean same(String read, Page page, PdfChoices choices) {
        String drawn = text(page, choices.style().fillable());
        if (isAlike(read, drawn)) return true;
        String found = squeezed(read);
        String expected = squeezed(drawn);
        if (found.equals(expected)) return true;
        if (choices.overlays().isEmpty()) return false;
        // Words that are laid on stand before or after what the page says, and are nothing else.
        int at = found.indexOf(expected);
        int words = choices.overlays().stream().mapToInt(overlay -> overlay.content() instanceof Overlay.Words ? 1 : 0).sum();
        return at >= 0 && (words > 0 || found.length() == expected.length());
    }

    /** What a page says in the order it is drawn: from left to right, also where letters are read from the right. */
    private static String text(Page page, boolean fillable) {
        StringBuilder text = new StringBuilder();
        page.show(new Canvas() {
            @Override public void glyphs(Piece.Glyphs glyphs, double x, double baseline, Colour colour) { drawn(glyphs, text); }
            @Override public boolean field(Piece.Glyphs glyphs, double x, double y, double width, double height, double room) { return fillable; }
            @Override public void fill(double x, double y, double width, double height, Colour colour) { }
            @Override public void rule(double x1, double y1, double x2, double y2, Border border) { }
            @Override public void picture(Picture picture, double x, double y) { }
            @Override public void unseen(Picture.Word word, double x, double baseline) { text.append(word.text()); }
        });
        return text.toString();
    }

    private static void drawn(Piece.Glyphs piece, StringBuilder text) {
        if (piece.glyphs().length == 0) return;
        if (!piece.rightToLeft()) {
            text.append(piece.text());
            return;
        }
        int end = piece.text().length();
        List<String> clusters = new ArrayList<>();
        for (int start : Arrays.stream(piece.clusters()).distinct().map(cluster -> -cluster).sorted().map(cluster -> -cluster).toArray()) {
            clusters.add(piece.text().substring(start, end));
            end = start;
        }
        clusters.forEach(text::append);
    }

    /** Without white space and invisible characters; letters that Unicode counts as the same made the same. */
    private static String squeezed(String text) {
        String same = Normalizer.normalize(text, Normalizer.Form.NFKC);
        StringBuilder result = new StringBuilder(same.length());
        for (int i = 0; i < same.length(); i++) if (!isUnseen(same.charAt(i))) result.append(same.charAt(i));
        return result.toString();
    }

    /** The same but for what is not seen: enough for most pages, and told without making either anew. */
    private static boolean isAlike(String said, String drawn) {
        char[] one = said.toCharArray();
        char[] other = drawn.toCharArray();
        int at = 0;
        for (char c : one) {
            if (isUnseen(c)) continue;
            while (at < other.length && isUnseen(other[at])) at++;
            if (at == other.length || other[at++] != c) return false;
        }
        while (at < other.length && isUnseen(other[at])) at++;
        return at == other.length;
    }

    private static boolean isUnseen(char c) {
        if (c > ' ' && c < 0x7F) return false;
        return Character.isWhitespace(c) || Character.isSpaceChar(c) || Character.isISOControl(c) || Character.getType(c) == Character.FORMAT || c == '\u00AD';
    }

    private static int landed(PDDocument pdf, List<PdfWriter.Landing> expected) throws IOException {
        List<PDOutlineItem> items = new ArrayList<>();
        if (pdf.getDocumentCatalog().getDocumentOutline() != null) gather(pdf.getDocumentCatalog().getDocumentOutline(), items);
        if (items.size() != expected.size()) return 0;
        Map<COSDictionary, Integer> numbers = new IdentityHashMap<>();
        for (PDPage page : pdf.getPages()) numbers.put(page.getCOSObject(), numbers.size());
        int landed = 0;
        for (int i = 0; i < items.size(); i++) {
            PdfWriter.Landing wanted = expected.get(i);
            PDOutlineItem item = items.get(i);
            if (!wanted.title().equals(item.getTitle()) || !(item.getDestination() instanceof PDPageXYZDestination destination)) continue;
            PDPage page = destination.getPage();
            if (page == null || !Integer.valueOf(wanted.page()).equals(numbers.get(page.getCOSObject()))) continue;
            double top = page.getMediaBox().getHeight() - destination.getTop();
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

    /** How many fonts, also those inside forms, patterns and letterheads, and how many of them with their program inside. */
    private static int[] fonts(PDDocument pdf) throws IOException {
        FontsInside fonts = new FontsInside();
        for (PDPage page : pdf.getPages()) fonts.look(page.getResources());
        return new int[] {fonts.count(), fonts.embedded()};
    }

    private static int links(PDDocument pdf) throws IOException {
        int links = 0;
        for (PDPage page : pdf.getPages()) {
            links += page.getAnnotations(annotation -> annotation instanceof PDAnnotationLink).size();
        }
        return links;
    }
}
