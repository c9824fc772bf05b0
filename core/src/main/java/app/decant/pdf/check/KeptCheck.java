package app.decant.pdf.check;

import app.decant.document.Comment;
import app.decant.page.Note;
import app.decant.page.Original;
import app.decant.page.Pages;
import app.decant.page.Rewritten;
import app.decant.pdf.PageList;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfDoor;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.check.PdfCheck.Proof;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.form.Filling;
import app.decant.pdf.keep.KeptBookmarks;
import app.decant.pdf.keep.KeptWriter;
import app.decant.pdf.keep.PageSelection;
import app.decant.pdf.keep.PaintedPage;
import app.decant.pdf.note.FileNotes;
import app.decant.pdf.write.DocumentFacts;
import app.decant.words.Message;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * Opens a PDF whose pages were kept beside the one they came from, and compares: every content stream byte by byte, all that its pages use, and what stands
 * on them, counted before and after.
 */
public final class KeptCheck {
    private static final COSName LAYERS = COSName.OCPROPERTIES;

    private final PdfChoices choices;
    private final KeptWriter.Written written;
    private final Pages pages;
    private final List<Proof> proofs = new ArrayList<>();

    private KeptCheck(Pages pages, PdfChoices choices, KeptWriter.Written written) {
        this.pages = pages;
        this.choices = choices;
        this.written = written;
    }

    /**
     * Compares a file with the one its pages came from.
     *
     * @throws IOException where it can't be opened
     */
    public static List<Proof> check(Path file, Pages pages, PdfChoices choices, KeptWriter.Written written) throws IOException {
        Original original = pages.original().orElseThrow();
        KeptCheck check = new KeptCheck(pages, choices, written);
        if (written.same()) {
            check.say(Message.of("check.every-byte-is-the-original"), Message.of("check.it-is-not-the-original-bytes"),
                    Arrays.equals(Files.readAllBytes(file), original.bytes()));
            return check.proofs;
        }
        if (written.added()) check.say(Message.of("check.its-bytes-stand-first"), Message.of("check.it-is-not-the-original-bytes"),
                Arrays.mismatch(Files.readAllBytes(file), original.bytes()) == original.bytes().length);
        String owner = choices.protection().isOn() ? choices.protection().toChange() : "";
        try (PDDocument before = PdfDoor.open(original.bytes(), original.name(), original.password());
                PDDocument after = Loader.loadPDF(file.toFile(), owner.isEmpty() && written.added() && original.password() != null ? original.password()
                        : owner)) {
            check.compare(before, after);
        }
        if (choices.protection().isOn()) check.proofs.addAll(ProtectionCheck.check(file, choices.protection()));
        if (choices.style().standard() != Standard.NONE) check.proofs.add(PdfCheck.standard(file, choices.style().standard()));
        return check.proofs;
    }

    private void say(Message holds, Message fails, boolean is) { proofs.add(new Proof(is ? holds : fails, is)); }

    private void compare(PDDocument before, PDDocument after) throws IOException {
        int count = choices.pages().size();
        proofs.add(new Proof(Message.of("check.pages-as-chosen", after.getNumberOfPages(), count), after.getNumberOfPages() == count));
        if (after.getNumberOfPages() != count) return;
        SameObjects objects = new SameObjects(!choices.style().pictures().isExact(), !choices.style().compressed() || mended(), mended() || putsFontsIn());
        int same = 0;
        int used = 0;
        int anew = 0;
        int wrong = 0;
        int changed = 0;
        int places = 0;
        int added = 0;
        int outside = 0;
        StreamText reading = new StreamText();
        Map<String, Integer> stood = new TreeMap<>();
        Map<String, Integer> stands = new TreeMap<>();
        List<PDPage> were = PageList.of(before);
        List<PDPage> now = PageList.of(after);
        for (int i = 0; i < count; i++) {
            int index = choices.pages().get(i);
            PDPage made = now.get(i);
            PDPage source = pages.ground(index) < 0 ? null : were.get(pages.ground(index));
            if (!pages.isOwn(index)) {
                anew++;
                if (!PdfCheck.same(reading.of(made), pages.page(index), choices)) wrong++;
                continue;
            }
            Rewritten rewritten = pages.rewritten(index);
            if (rewritten != null) {
                if (pages.isAdded(index)) added++;
                else places += rewritten.places();
                changed++;
                boolean says = tagged() ? KeptWriter.lookingAt(rewritten, before, pages.ground(index), at -> SamePainting.of(before.getPage(at), made))
                        : Arrays.equals(content(made), rewritten.content());
                boolean holds = says && (!looked() || PaintedPage.of(before, pages.ground(index))
                        .differing(PaintedPage.of(after, i), mayDiffer(rewritten, before, pages.ground(index))) == 0);
                if (!holds) outside++;
            } else if (tagged() ? SamePainting.of(source, made) : sameStreams(source, made)) {
                same++;
            }
            if (overlaid() || resources(source) == null || objects.same(resources(source), tagged() ? shared(resources(made), resources(source))
                    : without(resources(made), pages.rewritten(index), resources(source))) && sameBoxes(source, made)) used++;
            if (!pages.isAdded(index)) annotations(source, stood);
            if (pages.rewritten(index) != null)
                for (Rewritten.Relinked link : pages.rewritten(index).relinked()) if (link.isGone()) stood.merge("links", -1, Integer::sum);
            annotations(made, stands);
        }
        if (!pages.original().orElseThrow().answers().isEmpty()) filled(before, after);
        int own = count - anew - changed;
        if (own > 0) say(Message.of(tagged() ? "check.tagged-pages" : "check.own-pages", own, own < count),
                Message.of("check.of-pages-are-not-the-original", own - same, own), same == own);
        // Where something is laid on all pages, or pictures are smaller, they can't look the same.
        if (changed > added) say(Message.of("check.changed-pages", changed - added, places, looked()),
                Message.of("check.more-was-changed-on-pages-than", outside), outside == 0);
        if (added > 0) say(Message.of("check.pages-added", added), Message.of("check.more-was-changed-on-pages-than", outside), outside == 0);
        if (anew > 0) say(Message.of("check.pages-were-set-anew-their-text-whole", anew), Message.of("check.text-differs-on-of-the-pages", wrong), wrong == 0);
        int kept = own + changed;
        if (kept > 0) say(Message.of("check.own-matter", written.smaller(), told("mend.font-put-in")),
                Message.of("check.fonts-pictures-or-boxes-of-pages-differ", kept - used), used == kept);
        if (written.notes() != 0) stood.merge("notes", written.notes(), Integer::sum);
        stood.values().removeIf(many -> many == 0);
        if (!pages.original().orElseThrow().notes().isEmpty()) noted(after);
        annotations(stood, stands);
        if (mended()) proofs.addAll(new RepairedCheck(before, after, pages).of(choices.pages()));
        whole(before, after);
        if (written.facts() != KeptWriter.FactsWish.AS_THEY_ARE) {
            Map<String, String> differing = DocumentFacts.differing(after, choices.facts());
            say(Message.of("check.facts-in-both-places-as-chosen-agreeing"),
                    Message.of("check.its-facts-are-not-as-chosen", String.join(", ", differing.keySet())), differing.isEmpty());
        }
    }

    /** Fields say what was filled in, those that nobody filled what they said. */
    private void filled(PDDocument before, PDDocument after) throws IOException {
        Map<String, String> answers = pages.original().orElseThrow().answers();
        boolean whole = choices.pages().size() == pages.count() && choices.pages().stream().allMatch(pages::isOwn);
        // Where pages are left out or set anew, so are their fields; that was told.
        if (!whole) return;
        List<String> missing = Filling.missing(after, answers);
        List<String> others = Filling.others(before, after, answers);
        say(Message.of("check.filled", answers.size()), Message.of("check.not-filled", String.join(", ", missing), String.join(", ", others)),
                missing.isEmpty() && others.isEmpty());
    }

    /** What was remarked, answered and taken out stands in the file so. */
    private void noted(PDDocument after) {
        List<Comment> found = FileNotes.of(after, page -> 0).stream().map(FileNotes.FileNote::comment).toList();
        int missing = 0;
        for (Note note : pages.original().orElseThrow().notes()) {
            boolean here = note.before() != null || choices.pages().contains(note.page());
            Comment told = note.comment() == null ? note.before() : note.comment();
            boolean there = found.stream().anyMatch(one -> said(one).equals(said(told)));
            if (here && there != (note.comment() != null)) missing++;
        }
        say(Message.of("check.noted", pages.original().orElseThrow().notes().size()), Message.of("check.not-noted", missing), missing == 0);
    }

    private static List<Object> said(Comment comment) {
        return List.of(comment.remark().author(), comment.remark().text(), comment.answers().stream().map(Comment.Remark::text).toList(), comment.done());
    }

    /** Where a page may look otherwise: where words were changed, and where fields were filled in. */
    private List<Rewritten.Area> mayDiffer(Rewritten rewritten, PDDocument before, int ground) {
        List<Rewritten.Area> areas = new ArrayList<>(rewritten.areas());
        Map<String, String> answers = pages.original().orElseThrow().answers();
        for (Note note : pages.original().orElseThrow().notes()) {
            if (note.before() == null && pages.ground(note.page()) == ground) areas.addAll(note.areas());
            // Where one is taken out is not known here any more: it may have been a mark over words.
        }
        if (answers.isEmpty()) return areas;
        for (FileField field : FileForm.of(before).fields()) {
            if (!answers.containsKey(field.name())) continue;
            for (FileField.Place place : field.places()) if (place.page() == ground)
                areas.add(new Rewritten.Area(place.left(), place.top(), place.left() + place.width(), place.top() + place.height()));
        }
        return areas;
    }

    /** Whether it was repaired to keep a standard. */
    private boolean mended() { return pages.mending().isPresent() && choices.style().standard() != Standard.NONE; }

    /** Whether its pages were given structure. */
    private boolean tagged() { return mended() && pages.mending().orElseThrow().structure() != null; }

    /** Without the copies of forms that were marked; what they paint is compared where they are called. */
    private static COSDictionary shared(COSDictionary resources, COSDictionary before) {
        if (resources == null || resources.getCOSDictionary(COSName.XOBJECT) == null) return resources;
        COSDictionary copy = new COSDictionary(resources);
        COSDictionary objects = new COSDictionary(resources.getCOSDictionary(COSName.XOBJECT));
        COSDictionary had = before == null ? null : before.getCOSDictionary(COSName.XOBJECT);
        for (COSName name : List.copyOf(objects.keySet())) if (had == null || !had.containsKey(name)) objects.removeItem(name);
        if (had == null) copy.removeItem(COSName.XOBJECT);
        else copy.setItem(COSName.XOBJECT, objects);
        return copy;
    }

    private boolean putsFontsIn() { return choices.style().fonts() == PdfChoices.Fonts.WHOLE; }

    /** Whether pages are painted and compared. */
    private boolean looked() { return !overlaid() && choices.style().pictures().isExact(); }

    private boolean overlaid() { return !choices.overlays().isEmpty(); }

    private static COSDictionary resources(PDPage page) { return page.getResources() == null ? null : page.getResources().getCOSObject(); }

    /** Without what was put beside them for other words, and for what came from other pages. */
    private static COSDictionary without(COSDictionary resources, Rewritten rewritten, COSDictionary before) {
        if (rewritten == null || !rewritten.parts().any()) return resources;
        COSDictionary copy = new COSDictionary(resources);
        for (Rewritten.Form form : rewritten.parts().forms()) remove(copy, COSName.XOBJECT, form.name(), before);
        for (Rewritten.Font font : rewritten.parts().fonts()) remove(copy, COSName.FONT, font.name(), before);
        for (Rewritten.Loan loan : rewritten.parts().loans())
            remove(copy, loan.kind() == Rewritten.Loan.Kind.FONT ? COSName.FONT : COSName.XOBJECT, loan.name(), before);
        return copy;
    }

    private static void remove(COSDictionary resources, COSName kind, String name, COSDictionary before) {
        COSDictionary some = new COSDictionary(resources.getCOSDictionary(kind));
        some.removeItem(COSName.getPDFName(name));
        // Where there were none of the kind, there are none again.
        if (some.size() == 0 && !before.containsKey(kind)) resources.removeItem(kind);
        else resources.setItem(kind, some);
    }

    private static boolean sameBoxes(PDPage a, PDPage b) {
        return a.getRotation() == b.getRotation() && Arrays.equals(a.getMediaBox().getCOSArray().toFloatArray(), b.getMediaBox().getCOSArray().toFloatArray())
                && Arrays.equals(a.getCropBox().getCOSArray().toFloatArray(), b.getCropBox().getCOSArray().toFloatArray());
    }

    /** Where something is laid on a page, its own streams stand between two others. */
    private boolean sameStreams(PDPage source, PDPage made) throws IOException {
        List<COSStream> own = streams(source);
        List<COSStream> found = streams(made);
        if (found.size() == own.size() + 2 && overlaid()) found = found.subList(1, found.size() - 1);
        if (own.size() != found.size()) return false;
        for (int i = 0; i < own.size(); i++) {
            boolean same = SameObjects.sameBytes(own.get(i), found.get(i), false);
            if (!same && (choices.style().compressed() && !mended() || !SameObjects.sameBytes(own.get(i), found.get(i), true))) return false;
        }
        return true;
    }

    /** The page's own content; something laid on it stands in streams before and after. */
    private byte[] content(PDPage page) throws IOException {
        List<COSStream> streams = streams(page);
        if (streams.size() == 3 && overlaid()) streams = streams.subList(1, 2);
        if (streams.size() != 1) return new byte[0];
        try (InputStream in = streams.get(0).createInputStream()) {
            return in.readAllBytes();
        }
    }

    private static List<COSStream> streams(PDPage page) {
        List<COSStream> streams = new ArrayList<>();
        COSBase contents = page.getCOSObject().getDictionaryObject(COSName.CONTENTS);
        if (contents instanceof COSStream one) streams.add(one);
        if (contents instanceof COSArray several)
            for (int i = 0; i < several.size(); i++) if (several.getObject(i) instanceof COSStream one) streams.add(one);
        return streams;
    }

    private static void annotations(PDPage page, Map<String, Integer> counts) {
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        for (int i = 0; annotations != null && i < annotations.size(); i++)
            if (annotations.getObject(i) instanceof COSDictionary one) counts.merge(kind(one.getNameAsString(COSName.SUBTYPE)), 1, Integer::sum);
    }

    private static String kind(String subtype) { return "Link".equals(subtype) ? "links" : "Widget".equals(subtype) ? "fields" : "notes"; }

    private boolean told(String key) { return written.findings().stream().anyMatch(finding -> finding.message().key().equals(key)); }

    /** Links may be fewer where pages are left out; that was told. */
    private void annotations(Map<String, Integer> stood, Map<String, Integer> stands) {
        if (stood.isEmpty() && stands.isEmpty()) return;
        boolean fewer = told(PageSelection.LINKS_LEFT);
        boolean taken = told("mend.annotations") || told("mend.files-on-pages");
        boolean same = true;
        List<Message> told = new ArrayList<>();
        for (String kind : List.of("links", "fields", "notes")) {
            int was = stood.getOrDefault(kind, 0);
            int is = stands.getOrDefault(kind, 0);
            if (was > 0) told.add(Message.of("kind." + kind, is));
            same &= was == is || is < was && (kind.equals("links") ? fewer : kind.equals("notes") && taken);
        }
        say(Message.of("check.on-its-pages-as-there", Message.list(told)), Message.of("check.what-stands-on-its-pages", stood, stands), same);
    }

    /** What belongs to the file as a whole. */
    private void whole(PDDocument before, PDDocument after) throws IOException {
        PdfStyle style = choices.style();
        boolean all = choices.pages().size() == before.getNumberOfPages() && choices.pages().stream().allMatch(pages::isOwn);
        Set<Integer> kept = choices.pages().stream().map(pages::ground).collect(Collectors.toSet());
        boolean whole = IntStream.range(0, before.getNumberOfPages()).allMatch(kept::contains);
        if (style.bookmarks().equals(PdfStyle.PLAIN.bookmarks()) && whole) bookmarks(before, after);
        boolean leaves = mended() && !style.standard().allowsAttachments();
        proofs.addAll(AttachedFiles.check(leaves ? null : before, after, choices.attachments()));
        COSDictionary layers = catalog(before).getCOSDictionary(LAYERS);
        // For a standard their names and order are completed.
        if (layers != null && all && !mended()) say(Message.of("check.its-layers"), Message.of("check.its-layers-are-not-what-they"),
                new SameObjects(false, true, false).same(layers, catalog(after).getDictionaryObject(LAYERS)));
        COSDictionary labels = catalog(before).getCOSDictionary(COSName.PAGE_LABELS);
        if (labels != null && all) say(Message.of("check.the-printed-numbers-of-its-pages"), Message.of("check.the-printed-numbers-of-its-pages-differ"),
                catalog(after).containsKey(COSName.PAGE_LABELS));
        boolean tagged = catalog(before).containsKey(COSName.STRUCT_TREE_ROOT);
        if (tagged && style.tagged()) say(Message.of("check.its-structure-for-screen-readers"), Message.of("check.its-structure-for-screen-readers-is-gone"),
                catalog(after).containsKey(COSName.STRUCT_TREE_ROOT));
    }

    private static COSDictionary catalog(PDDocument pdf) { return pdf.getDocumentCatalog().getCOSObject(); }

    /** Those that it had, but for headings that became others: as deep and called as these ask. */
    private void bookmarks(PDDocument before, PDDocument after) {
        if (KeptBookmarks.told(before).isEmpty()) return;
        List<String> expected = KeptBookmarks.expected(before, pages, choices);
        List<String> told = KeptBookmarks.told(after);
        List<String> missing = new ArrayList<>(expected);
        missing.removeAll(told);
        say(Message.of("check.all-bookmarks", told.size()), Message.of("check.of-bookmarks", expected.size() - missing.size(), expected.size()),
                told.equals(expected));
    }
}
