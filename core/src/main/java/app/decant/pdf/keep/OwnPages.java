package app.decant.pdf.keep;

import app.decant.document.Colour;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.font.FontCatalogue;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Mending;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.PageNumbers;
import app.decant.page.Pages;
import app.decant.page.Retold;
import app.decant.page.Rewritten;
import app.decant.pdf.PdfDoor;
import app.decant.pdf.Standard;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.note.NoteWriter;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.slf4j.LoggerFactory;

/**
 * The pages of a PDF as they are. Nothing on them is read: they are counted and measured, and the file's own bookmarks, printed page numbers and facts are
 * told. They show nothing to a canvas; whoever wants to look at them paints the file.
 */
public final class OwnPages implements KeptPages {
    private final Original original;
    private final Lettering lettering;
    private final List<Page> pages = new ArrayList<>();
    private final List<Integer> numbers = new ArrayList<>();
    private final int count;
    private final List<Heading> headings;
    private final Facts facts;
    private final Map<Integer, Rewritten> rewritten;
    private final Mending mending;
    private final Retold retold;
    private final List<Heading> found;
    private final boolean tagged;
    private final String claims;

    /** Sets words that are laid on pages, as {@link Pages#words} says. */
    public interface Lettering {
        List<Item.LineItem> words(String text, String family, double size, Colour colour);
    }

    private OwnPages(OwnPages pages, Original original, List<Heading> headings, Map<Integer, Rewritten> rewritten, Mending mending,
            Retold retold, List<Heading> found) {
        this.original = original;
        this.lettering = pages.lettering;
        this.count = pages.count;
        for (int page = 0; page < pages.pages.size(); page++) if (pages.numbers.get(page) < count) put(pages.pages.get(page), pages.numbers.get(page));
        // What is put in stands behind the page that it is like.
        rewritten.keySet().stream().filter(number -> number >= count).forEach(number -> putBehind(number % count, number));
        this.facts = pages.facts;
        this.headings = headings.stream().map(heading -> new Heading(heading.level(), heading.title(), heading.text(),
                placed(pages, heading.page()), heading.top())).toList();
        this.rewritten = Map.copyOf(rewritten);
        this.mending = mending;
        this.retold = retold;
        this.found = found;
        this.tagged = pages.tagged;
        this.claims = pages.claims;
    }

    private OwnPages(Original original, Lettering lettering, PDDocument pdf) {
        this.original = original;
        this.lettering = lettering;
        count = pdf.getNumberOfPages();
        List<String> labels = numbers(pdf, count);
        int index = 0;
        for (PDPage page : pdf.getPages()) {
            PDRectangle box = page.getCropBox();
            boolean upright = page.getRotation() % 180 == 0;
            double width = upright ? box.getWidth() : box.getHeight();
            double height = upright ? box.getHeight() : box.getWidth();
            put(new Page(index, labels.get(index), width, height, List.of(), List.of()), index++);
        }
        rewritten = Map.of();
        mending = null;
        retold = Retold.NOTHING;
        found = List.of();
        tagged = pdf.getDocumentCatalog().getCOSObject().containsKey(COSName.STRUCT_TREE_ROOT);
        claims = claims(pdf);
        headings = KeptBookmarks.headings(pdf);
        facts = KeptFacts.of(pdf);
    }

    /**
     * Looks what a PDF has.
     *
     * @throws DecantException where it can't be opened, holds no page, or its owner forbids that it is changed
     */
    public static OwnPages of(Original original, Lettering lettering) {
        try (PDDocument pdf = PdfDoor.open(original.bytes(), original.name(), original.password())) {
            AccessPermission permission = pdf.getCurrentAccessPermission();
            boolean fills = !original.answers().isEmpty() && FileForm.mayFill(pdf) || !original.notes().isEmpty() && NoteWriter.mayNote(pdf);
            if (!permission.isOwnerPermission() && !permission.canModify() && !fills)
                throw new DecantException(Kind.NOT_PERMITTED, Message.of("keep.is-locked-by-its-owner-against-changes", original.name()));
            if (pdf.getNumberOfPages() == 0)
                throw new DecantException(Kind.UNREADABLE, Message.of("keep.is-a-pdf-without-a-single-page", original.name()));
            return new OwnPages(original, lettering, pdf);
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told) throw told;
            throw new DecantException(Kind.UNREADABLE, Message.of("pdf.is-damaged-no-pages-can-be-found", original.name()), e);
        }
    }

    /** Where a page of others is among these; text that is laid out by itself may take more pages than there are, and is told so. */
    private int placed(OwnPages others, int page) { return page < others.numbers.size() ? numbers.indexOf(others.numbers.get(page)) : page; }

    private void put(Page page, int number) {
        pages.add(page);
        numbers.add(number);
    }

    private void putBehind(int like, int number) {
        int at = numbers.indexOf(like) + 1;
        Page before = pages.get(at - 1);
        String label = PageNumbers.behind(before.label(), like == count - 1);
        pages.add(at, new Page(at, label, before.width(), before.height(), List.of(), List.of()));
        numbers.add(at, number);
        for (int page = at + 1; page < pages.size(); page++) {
            Page after = pages.get(page);
            pages.set(page, new Page(page, after.label(), after.width(), after.height(), List.of(), List.of()));
        }
    }

    /** What the file's metadata say, where the standards it keeps would be told (ISO 19005-2, 6.6.4); empty where there are none. */
    private static String claims(PDDocument pdf) {
        try {
            PDMetadata metadata = pdf.getDocumentCatalog().getMetadata();
            return metadata == null ? "" : new String(metadata.toByteArray(), StandardCharsets.UTF_8);
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(OwnPages.class).info("The metadata can't be read", e);
            return "";
        }
    }

    /** Whether the file tells any structure. */
    @Override public boolean isTagged() { return tagged; }

    @Override public boolean claims(Standard standard) {
        return (!standard.isArchive() || claims.contains("http://www.aiim.org/pdfa/ns/id/"))
                && (!standard.isAccessible() || claims.contains("http://www.aiim.org/pdfua/ns/id/"));
    }

    /** The same with headings that were found in the text; they are its headings where the file has no bookmarks of its own. */
    public OwnPages with(List<Heading> text) {
        return new OwnPages(this, original, headings.isEmpty() ? text : headings, rewritten, mending, retold, List.copyOf(text));
    }

    /** The same with other words on some pages. */
    public OwnPages with(Map<Integer, Rewritten> some) { return new OwnPages(this, original, headings, some, mending, retold, found); }

    /** The same whose headings became others; the file's own bookmarks follow them. */
    public OwnPages retold(Retold other) { return new OwnPages(this, original, headings, rewritten, mending, other, found); }

    /** The same with what is filled into the fields of the file's form, and noted on its pages. */
    public OwnPages of(Original addedTo) { return addedTo == original ? this : new OwnPages(this, addedTo, headings, rewritten, mending, retold, found); }

    @Override public OwnPages mended(Mending wished) { return new OwnPages(this, original, headings, rewritten, wished, retold, found); }

    /** The printed number of each page (ISO 32000-2, 12.4.2); counted where the file tells none. */
    static List<String> numbers(PDDocument pdf, int count) {
        String[] labels = null;
        try {
            if (pdf.getDocumentCatalog().getPageLabels() != null) labels = pdf.getDocumentCatalog().getPageLabels().getLabelsByPageIndices();
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(OwnPages.class).info("The numbers of pages can't be read", e);
        }
        List<String> numbers = new ArrayList<>();
        for (int i = 0; i < count; i++) numbers.add(labels != null && i < labels.length && labels[i] != null ? labels[i] : Integer.toString(i + 1));
        return numbers;
    }

    @Override public List<Page> pages() { return List.copyOf(pages); }
    @Override public int count() { return pages.size(); }
    @Override public Page page(int index) { return pages.get(index); }
    @Override public Facts facts() { return facts; }
    /** The file's own bookmarks, as they follow its headings. */
    @Override public List<Heading> headings() {
        if (retold.isNothing() || headings.isEmpty()) return headings;
        List<FollowingBookmarks.Came> came = headings.stream()
                .map(one -> new FollowingBookmarks.Came(one.level(), one.title(), ground(one.page()), one.top())).toList();
        return FollowingBookmarks.of(came, retold, this::ground, level -> true).stream().map(is -> {
            Heading place = is.place() == null ? headings.get(is.came()) : is.place();
            return new Heading(is.depth(), is.title(), is.title(), place.page(), place.top());
        }).toList();
    }

    @Override public List<Heading> found() { return found; }
    @Override public Retold retold() { return retold; }
    @Override public Collection<FontCatalogue.Match> fonts() { return List.of(); }
    @Override public List<Finding> findings() { return List.of(); }
    @Override public Element structure() { return Element.of(Element.Role.DOCUMENT, List.of()); }
    @Override public List<String> unplaced() { return List.of(); }
    @Override public Pages without(Set<String> families) { return this; }
    @Override public <T> Optional<T> origin(Class<T> kind) { return Optional.empty(); }
    @Override public Rewritten rewritten(int page) { return rewritten.get(numbers.get(page)); }
    @Override public int ground(int page) { return numbers.get(page) % count; }
    @Override public int number(int page) { return numbers.get(page); }
    @Override public Optional<Mending> mending() { return Optional.ofNullable(mending); }
    @Override public Optional<Original> original() { return Optional.of(original); }
    @Override public List<Item.LineItem> words(String text, String family, double size, Colour colour) { return lettering.words(text, family, size, colour); }
}
