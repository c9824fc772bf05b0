package app.decant.pdf.keep;

import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.page.Mending;
import app.decant.page.Original;
import app.decant.page.Pages;
import app.decant.page.Rewritten;
import app.decant.pdf.PageList;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfDoor;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.form.FileField;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.form.Filling;
import app.decant.pdf.lock.DocumentLock;
import app.decant.pdf.mend.AccessibleRules;
import app.decant.pdf.mend.MissingFonts;
import app.decant.pdf.mend.PageTagging;
import app.decant.pdf.mend.StandardMending;
import app.decant.pdf.note.NoteWriter;
import app.decant.pdf.read.SourceFile;
import app.decant.pdf.write.CatalogueWriter;
import app.decant.pdf.write.DocumentFacts;
import app.decant.pdf.write.Linearizer;
import app.decant.pdf.write.OutlineWriter;
import app.decant.words.Message;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;

/**
 * Writes the pages of a PDF as they are, under choices each of which does only what it says. What no choice names is left as it came; where nothing is
 * wished at all, the very bytes of the file. Made for one file and thrown away; the same file and choices give the same bytes.
 */
public final class KeptWriter {
    /** So much of the end of a file is asked for its name, in bytes. */
    private static final int TOLD = 1 << 16;

    private final Pages pages;
    private final Original original;
    private final PdfChoices choices;
    private final FactsWish facts;
    private final List<Finding> findings = new ArrayList<>();

    /** What is to be said about the document: what its file says; that and other things; or nothing but what is told. */
    public enum FactsWish { AS_THEY_ARE, TOLD_BESIDES, TOLD_ONLY }

    /**
     * What was written, so that it can be checked.
     *
     * @param same   whether the file is the original, byte by byte
     * @param added  whether the file begins with the original, byte by byte, and what was changed stands behind it
     * @param smaller how many pictures were made smaller
     * @param notes   how many more notes are on its pages than there were
     */
    public record Written(boolean same, boolean added, int smaller, int notes, FactsWish facts, List<Finding> findings) {
        public Written { findings = List.copyOf(findings); }
    }

    private KeptWriter(Pages pages, PdfChoices choices, FactsWish facts) {
        this.pages = pages;
        this.original = pages.original().orElseThrow(() -> new IllegalArgumentException("These pages are no file's own"));
        this.choices = choices.style().fillable() ? choices.with(choices.style().fillable(false)) : choices;
        this.facts = facts;
        if (choices.style().fillable()) findings.add(Finding.note(Message.of("keep.fields-stay")));
    }

    /**
     * Writes the file.
     *
     * @throws IOException where the stream takes no more, or the original can't be written again
     */
    public static Written write(Pages pages, PdfChoices choices, FactsWish facts, OutputStream out, Progress progress) throws IOException {
        choices.refuseContradictions();
        return new KeptWriter(pages, choices, facts).write(out, progress);
    }

    private Written write(OutputStream out, Progress progress) throws IOException {
        // A copy of its own, never painted: painting marks pictures as changed.
        try (PDDocument pdf = PdfDoor.open(original.bytes(), original.name(), original.password())) {
            PdfStyle style = choices.style();
            boolean signed = !pdf.getSignatureDictionaries().isEmpty();
            ActiveContent active = new ActiveContent(pdf, choices.addresses());
            boolean fills = original.isAddedTo();
            boolean asks = asksAnything(pdf);
            active.each(!signed || asks);
            if (!asks && !fills && (signed || active.count() == 0)) {
                if (active.count() > 0) findings.add(Finding.changed(Message.of("keep.scripts-or-actions")));
                out.write(original.bytes());
                return new Written(true, false, 0, 0, facts, findings);
            }
            if (!signed || asks) findings.addAll(active.findings());
            else if (active.count() > 0) findings.add(Finding.changed(Message.of("keep.scripts-or-actions")));
            boolean adds = (signed || style.incremental() || fills && !asks) && canBeAdded(pdf);
            AccessPermission permission = pdf.getCurrentAccessPermission();
            if (!permission.isOwnerPermission() && !permission.canModify() && (asks || !adds))
                throw new DecantException(DecantException.Kind.NOT_PERMITTED, Message.of("keep.is-locked-by-its-owner-against-changes", original.name()));
            if (style.incremental() && !adds) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("keep.cannot-be-incremental"));
            if (pdf.isEncrypted() && !choices.protection().isOn() && !adds)
                findings.add(Finding.changed(Message.of("keep.the-original-is-locked-this-copy")));
            if (signed && adds && original.notes().isEmpty() && fills && !asks && Certification.allowsFilling(pdf))
                findings.add(Finding.note(Message.of("keep.the-original-was-signed-and-filled")));
            else if (signed) findings.add(adds ? Finding.changed(Message.of("keep.the-original-was-signed-what-is-new", Certification.isOf(pdf)))
                    : Finding.lost(Message.of("keep.the-original-was-signed-its-signature-does")));
            findings.addAll(Filling.fill(pdf, original.answers()));
            tellUnfilled(pdf);
            progress.step(0, 3, Message.of("step.writing-pages"));
            List<String> labels = choices.pages().stream().map(page -> pages.page(page).label()).toList();
            AddedDictionaries added = new AddedDictionaries(pdf, pages, choices.pages());
            findings.addAll(new PageSelection(pdf).keep(kept(), labels, style.linearized()));
            added.fill();
            rewrite(pdf);
            setAnew(pdf, progress);
            if (!pages.retold().isNothing()) findings.addAll(RetoldTags.tell(pdf, pages, choices, progress));
            bookmarks(pdf);
            KeptPictures pictures = new KeptPictures(pdf, style.pictures());
            if (!style.pictures().isExact()) findings.addAll(pictures.shrink(progress));
            if (!choices.overlays().isEmpty()) new LaidOnPages(pdf, pages, choices.overlays()).lay(choices.pages(), style);
            if (!style.tagged()) untag(pdf);
            NoteWriter.Done noted = NoteWriter.write(pdf, original.notes(), page -> choices.pages().contains(page)
                    ? pdf.getPage(choices.pages().indexOf(page)) : null, choices.when());
            if (noted.taken() > 0) findings.add(Finding.note(Message.of("keep.notes-taken-out", noted.taken())));
            catalogue(pdf, style);
            if (isMended()) mend(pdf, style.standard(), progress);
            else if (facts != FactsWish.AS_THEY_ARE) findings.addAll(KeptFacts.write(pdf, choices.facts(), choices, facts == FactsWish.TOLD_ONLY));
            tellFonts(pdf, style);
            if (adds) add(pdf, out, progress);
            else save(pdf, style, out, progress);
            return new Written(false, adds, pictures.count(), noted.added() - noted.removed(), facts, findings);
        }
    }

    /** What is filled in on pages that are set anew from their text is not in that. */
    private void tellUnfilled(PDDocument pdf) {
        Set<Integer> anew = choices.pages().stream().filter(page -> !pages.isOwn(page)).map(pages::ground).collect(Collectors.toSet());
        if (original.answers().isEmpty() || anew.isEmpty()) return;
        List<String> unfilled = FileForm.of(pdf).fields().stream().filter(field -> original.answers().containsKey(field.name())
                && field.places().stream().anyMatch(place -> anew.contains(place.page()))).map(FileField::label).toList();
        if (!unfilled.isEmpty()) findings.add(Finding.lost(Message.of("form.unfilled", Message.list(unfilled.stream().map(Message::said).toList()))));
    }

    /** The pages of the original that stay, -1 for those that it does not have. */
    private List<Integer> kept() { return choices.pages().stream().map(page -> pages.isAdded(page) ? -1 : pages.ground(page)).toList(); }

    /** Pages that say something else in some places: a stream of their own instead of what they share. */
    private void rewrite(PDDocument pdf) throws IOException {
        CarriedTags tags = new CarriedTags(pdf);
        for (int i = 0; i < choices.pages().size(); i++) {
            Rewritten rewritten = pages.rewritten(choices.pages().get(i));
            if (rewritten == null) continue;
            put(rewritten, pdf, pdf.getPage(i));
            if (!rewritten.tagged().isEmpty()) tags.carry(pdf.getPage(i), rewritten.tagged(), page -> at(pdf, page));
            findings.addAll(rewritten.findings());
        }
        // From the last on: what leads to a page before goes over to one where all has been moved.
        for (int i = choices.pages().size() - 1; i >= 0; i--) {
            Rewritten rewritten = pages.rewritten(choices.pages().get(i));
            if (rewritten != null) LoweredPlaces.move(pdf, pdf.getPage(i), rewritten, page -> at(pdf, page));
        }
    }

    /** The page that has a number; null where it is left out. */
    private PDPage at(PDDocument pdf, int number) {
        for (int i = 0; i < choices.pages().size(); i++) {
            int page = choices.pages().get(i);
            if (pages.isOwn(page) && pages.number(page) == number) return pdf.getPage(i);
        }
        return null;
    }

    /** Puts what a page says now in the place of its own streams. */
    static void put(Rewritten rewritten, PDDocument pdf, PDPage page) throws IOException {
        PageStreams.put(rewritten, page.getCOSObject(), page.getResources() == null ? new COSDictionary() : page.getResources().getCOSObject(),
                new PageStreams.Streams() {
                    @Override public COSStream stream(byte[] content, COSStream like) throws IOException {
                        COSStream stream = pdf.getDocument().createCOSStream();
                        if (like != null) stream.addAll(like);
                        for (COSName name : List.of(COSName.FILTER, COSName.DECODE_PARMS, COSName.LENGTH)) stream.removeItem(name);
                        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
                            out.write(content);
                        }
                        return stream;
                    }

                    @Override public COSBase object(COSObjectKey key) throws IOException { return pdf.getDocument().getObjectFromPool(key); }
                });
    }

    /** A look at an opened page. */
    public interface Look<T> { T at(int page) throws IOException; }

    /** Looks at a page as it would be with other words on it; afterwards it is as it was. */
    public static <T> T lookingAt(Rewritten rewritten, PDDocument pdf, int index, Look<T> look) throws IOException {
        PDPage page = pdf.getPage(index);
        COSDictionary dictionary = page.getCOSObject();
        COSBase contents = dictionary.getItem(COSName.CONTENTS);
        COSBase resources = dictionary.getItem(COSName.RESOURCES);
        COSBase annotations = dictionary.getItem(COSName.ANNOTS);
        try {
            put(rewritten, pdf, page);
            LoweredPlaces.show(pdf, page, rewritten);
            return look.at(index);
        } finally {
            if (annotations != null) dictionary.setItem(COSName.ANNOTS, annotations);
            dictionary.setItem(COSName.CONTENTS, contents);
            if (resources == null) dictionary.removeItem(COSName.RESOURCES);
            else dictionary.setItem(COSName.RESOURCES, resources);
        }
    }

    /** Pages whose text is another now, where they can't keep their streams. */
    private void setAnew(PDDocument pdf, Progress progress) throws IOException {
        List<Integer> anew = choices.pages().stream().filter(page -> !pages.isOwn(page)).toList();
        if (anew.isEmpty()) return;
        Map<Integer, PDPage> places = new HashMap<>();
        List<PDPage> all = PageList.of(pdf);
        for (int i = 0; i < choices.pages().size(); i++) places.put(choices.pages().get(i), all.get(i));
        if (new PageSelection(pdf).untag(anew.stream().map(places::get).toList()))
            findings.add(Finding.changed(Message.of("keep.what-the-pages-that-were-set-anew")));
        AnewPages made = new AnewPages(pdf, pages, choices);
        made.set(anew, places, progress);
        findings.addAll(made.findings());
        if (made.tookFields()) findings.addAll(new PageSelection(pdf).forgetFields());
    }

    /** Whether any choice would change the file. */
    private boolean asksAnything(PDDocument pdf) {
        PdfStyle style = choices.style();
        boolean all = kept().equals(IntStream.range(0, pdf.getNumberOfPages()).boxed().toList())
                && choices.pages().stream().allMatch(page -> pages.isOwn(page) && pages.rewritten(page) == null);
        // How much of fonts goes in is asked of pages that are made here; these have what they have.
        return !all || !pages.retold().isNothing() || makesBookmarks(pdf)
                || choices.protection().isOn() || pdf.isEncrypted() && !style.incremental() || facts != FactsWish.AS_THEY_ARE
                || !choices.overlays().isEmpty() || !choices.attachments().isEmpty()
                || !style.incremental(false).with(style.fonts() == PdfChoices.Fonts.WHOLE ? style.fonts() : PdfStyle.PLAIN.fonts()).whole(Set.of())
                .equals(PdfStyle.PLAIN);
    }

    /** Where a file has no bookmarks, or others are wished, those of the headings that were found in its text. */
    private boolean makesBookmarks(PDDocument pdf) {
        boolean has = hasBookmarks(pdf);
        return choices.style().bookmarks().any() && !(has ? pages.found() : pages.headings()).isEmpty() && (!has || choices.style().bookmarks().anew());
    }

    private void bookmarks(PDDocument pdf) {
        if (makesBookmarks(pdf)) {
            if (hasBookmarks(pdf)) findings.add(Finding.changed(Message.of("keep.bookmarks-anew")));
            new OutlineWriter(pdf, pages, choices).bookmarks(hasBookmarks(pdf) ? pages.found() : pages.headings());
            return;
        }
        if (!pages.retold().isNothing()) findings.addAll(KeptBookmarks.follow(pdf, pages, choices));
        if (!choices.style().bookmarks().anew(false).equals(PdfStyle.PLAIN.bookmarks())) new KeptBookmarks(choices.style().bookmarks()).follow(pdf);
    }

    private static boolean hasBookmarks(PDDocument pdf) {
        return pdf.getDocumentCatalog().getDocumentOutline() != null && pdf.getDocumentCatalog().getDocumentOutline().hasChildren();
    }

    private void catalogue(PDDocument pdf, PdfStyle style) throws IOException {
        CatalogueWriter writer = new CatalogueWriter(pdf, choices, hasBookmarks(pdf));
        if (!style.opening().equals(PdfStyle.PLAIN.opening())) writer.opening();
        if (!choices.attachments().isEmpty()) writer.attachments();
    }

    private static void untag(PDDocument pdf) {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        catalog.removeItem(COSName.STRUCT_TREE_ROOT);
        catalog.removeItem(COSName.MARK_INFO);
    }

    private boolean isMended() { return pages.mending().isPresent() && choices.style().standard() != Standard.NONE; }

    /** Repairs what the standard forbids; what the file says of itself is said anew, since every word of it has to be explained. */
    private void mend(PDDocument pdf, Standard standard, Progress progress) throws IOException {
        Mending mending = pages.mending().orElseThrow();
        findings.addAll(StandardMending.mend(pdf, standard, mending));
        if (mending.structure() != null) {
            try (SourceFile source = SourceFile.open(original.bytes(), original.name(), original.password())) {
                List<Integer> there = new ArrayList<>();
                for (int page : choices.pages()) {
                    PDPage own = source.pdf().getPage(pages.ground(page));
                    there.add(pages.isAdded(page) ? source.pdf().getNumberOfPages() : pages.ground(page));
                    if (pages.isAdded(page)) source.pdf().addPage(own = AddedDictionaries.behind(own));
                    if (pages.rewritten(page) != null) put(pages.rewritten(page), source.pdf(), own);
                }
                List<Integer> numbers = choices.pages().stream().map(pages::number).toList();
                findings.addAll(PageTagging.tag(pdf, source, mending.structure(), there, numbers, standard, progress));
            }
        }
        DocumentFacts.write(pdf, choices.facts(), DocumentFacts.Times.of(choices), standard);
        if (standard.isAccessible()) AccessibleRules.keep(pdf, choices.facts().language());
        if (pdf.getVersion() > (standard.isOpaque() ? 1.4f : 1.7f)) version(pdf, standard.isOpaque() ? 1.4 : 1.7);
    }

    private void tellFonts(PDDocument pdf, PdfStyle style) {
        if (style.fonts() == PdfChoices.Fonts.WHOLE && !isMended()) {
            findings.addAll(MissingFonts.embed(pdf, FontCatalogue.ofThisMachine()));
            return;
        }
        if (style.fonts() != PdfStyle.PLAIN.fonts() || !style.wholeFamilies().isEmpty())
            findings.add(Finding.changed(Message.of("keep.the-fonts-on-its-pages")));
    }

    /**
     * Whether all that is wished can stand behind the original's bytes (ISO 32000-2, 7.5.6), so that a signature goes on covering what it covered: other words
     * on its pages, facts, bookmarks, files inside, but nothing that has to be gone or packed otherwise.
     */
    private boolean canBeAdded(PDDocument pdf) {
        PdfStyle style = choices.style();
        boolean all = kept().equals(IntStream.range(0, pdf.getNumberOfPages()).boxed().toList()) && choices.pages().stream().allMatch(pages::isOwn);
        boolean locked = pdf.isEncrypted() && !style.incremental();
        return all && !choices.protection().isOn() && !locked && !style.linearized() && style.compressed() && style.tagged() && !isMended()
                && style.pictures().isExact() && style.version() == 0 && style.fonts() != PdfChoices.Fonts.WHOLE;
    }

    private void add(PDDocument pdf, OutputStream out, Progress progress) throws IOException {
        identify(pdf);
        progress.step(2, 3, Message.of("step.writing-pages"));
        pdf.saveIncremental(out);
    }

    private void save(PDDocument pdf, PdfStyle style, OutputStream out, Progress progress) throws IOException {
        pdf.setAllSecurityToBeRemoved(!choices.protection().isOn());
        // Packing lifts a file to a later version (7.5.7); one from before keeps its own.
        boolean packs = style.compressed() && !style.standard().isOpaque() && (style.version() == 0 ? pdf.getVersion() : style.version()) >= 1.5f;
        if (style.version() > 0) version(pdf, style.version());
        else if (choices.protection().isOn() && pdf.getVersion() < choices.protection().strength().version())
            version(pdf, choices.protection().strength().version());
        if (!style.compressed()) unpack(pdf);
        identify(pdf);
        DocumentLock lock = choices.protection().isOn() ? new DocumentLock(choices.protection()) : null;
        progress.step(2, 3, Message.of("step.writing-pages"));
        if (style.linearized()) {
            ByteArrayOutputStream plain = new ByteArrayOutputStream(original.bytes().length);
            pdf.save(plain, CompressParameters.NO_COMPRESSION);
            Linearizer.write(plain.toByteArray(), lock, out);
            return;
        }
        if (lock != null) lock.on(pdf);
        pdf.save(out, packs ? CompressParameters.DEFAULT_COMPRESSION : CompressParameters.NO_COMPRESSION);
    }

    private static void version(PDDocument pdf, double version) {
        pdf.getDocumentCatalog().getCOSObject().removeItem(COSName.VERSION);
        pdf.getDocument().setVersion((float) version);
        pdf.setVersion((float) version);
    }

    /** Everything but pictures is written without filters. */
    private static void unpack(PDDocument pdf) throws IOException {
        for (COSObjectKey key : pdf.getDocument().getXrefTable().keySet()) {
            COSBase object = pdf.getDocument().getObjectFromPool(key).getObject();
            if (!(object instanceof COSStream stream) || !COSName.FLATE_DECODE.equals(stream.getDictionaryObject(COSName.FILTER))) continue;
            if (COSName.IMAGE.equals(stream.getCOSName(COSName.SUBTYPE))) continue;
            byte[] plain;
            try (var in = stream.createInputStream()) {
                plain = in.readAllBytes();
            }
            try (OutputStream raw = stream.createOutputStream()) {
                raw.write(plain);
            }
        }
    }

    /** The first half of its name stays, the second is this copy's (14.4). */
    private void identify(PDDocument pdf) throws IOException {
        COSDictionary trailer = pdf.getDocument().getTrailer();
        COSArray old = trailer.getCOSArray(COSName.ID);
        try {
            MessageDigest digest = MessageDigest.getInstance("MD5");
            byte[] bytes = original.bytes();
            byte[] first = old != null && old.size() == 2 && old.getObject(0) instanceof COSString name ? name.getBytes() : digest.digest(bytes);
            // What stands at its end tells one state of a file from another: digesting all of a large one takes as long as writing it.
            digest.update(bytes, Math.max(0, bytes.length - TOLD), Math.min(TOLD, bytes.length));
            digest.update(ByteBuffer.allocate(8).putLong(bytes.length).array());
            digest.update(first);
            digest.update(ByteBuffer.allocate(8).putLong(choices.when().toEpochMilli()).array());
            COSArray names = new COSArray();
            names.add(new COSString(first));
            names.add(new COSString(digest.digest()));
            trailer.setItem(COSName.ID, names);
        } catch (NoSuchAlgorithmException e) {
            throw new IOException(e);
        }
    }
}
