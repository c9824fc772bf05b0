package app.decant;

import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.font.FontCatalogue;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.Formats;
import app.decant.format.OfficeLock;
import app.decant.format.OtherFormat;
import app.decant.format.Taken;
import app.decant.format.sheet.CorrectedSheets;
import app.decant.format.sheet.ReadWorkbook;
import app.decant.format.sheet.SeparatedValues;
import app.decant.format.sheet.SheetFormat;
import app.decant.layout.PagedDocument;
import app.decant.layout.WordLines;
import app.decant.page.LogicalStructure;
import app.decant.page.Original;
import app.decant.page.Pages;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.keep.KeptPages;
import app.decant.pdf.keep.OwnPages;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.recover.FixedFormat;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.slf4j.LoggerFactory;

/**
 * A file that is to be published, opened as far as each wish needs: a PDF that stays one keeps its own pages, and its text is not read at all; for all else
 * its text is taken in and laid out, once.
 */
public final class Intake {
    private final Path file;
    private final String password;
    private final Function<Progress, Taken> reader;
    private final List<Finding> findings = new ArrayList<>();
    private Original original;
    private Boolean pdf;
    private Format format;
    private Workbook workbook;
    private CorrectedSheets corrected;
    private SeparatedValues separated = SeparatedValues.AS_FOUND;
    private OwnPages own;
    private PagedDocument laid;
    private PagedDocument filledIn;
    private boolean answered;
    private UnlaidText words;
    private Taken taken;
    private Provenance provenance = Provenance.NONE;
    private Revision revision;
    private Pages revised;
    private OwnPages headed;
    private Held held;
    private final Map<Recipe.Changes, Pages> settled = new EnumMap<>(Recipe.Changes.class);

    /** What came of holding pages to a standard, the last time. */
    private record Held(Standard standard, KeptPages pages, HeldPages found) { }

    /**
     * @param password that opens it, or null
     * @param reader   takes its text in, when that is needed
     */
    public Intake(Path file, String password, Function<Progress, Taken> reader) {
        this.file = file;
        this.password = password;
        this.reader = reader;
    }

    /** The same, its text taken in as {@link Decant#open} does. */
    public Intake(Path file, String password) { this(file, password, progress -> Decant.open(file, password, progress)); }

    /** The same of a workbook some of whose cells were corrected since it was taken in. */
    public static Intake corrected(Path file, String password, CorrectedSheets corrected) {
        Intake intake = new Intake(file, password);
        intake.corrected = corrected;
        return intake;
    }

    /** The same of values between separators that are read as it is wished. */
    public static Intake separated(Path file, SeparatedValues wished) {
        Intake intake = new Intake(file, null, progress -> Decant.openSeparated(file, wished, progress));
        intake.separated = wished;
        return intake;
    }

    /** The same of a PDF whose form is filled in: answers by the full names of its fields. */
    public static Intake filled(Path file, String password, Map<String, String> answers) {
        Intake intake = new Intake(file, password);
        if (intake.isPdf()) intake.original = intake.original.with(answers);
        else throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("form.no-pdf", file.getFileName()));
        return intake;
    }

    /**
     * The same of a document that was taken in from it and may have been revised since.
     *
     * @param revision of a PDF; null for other files
     * @param now      as it is laid out now
     */
    public static Intake revised(Path file, String password, Revision revision, PagedDocument now) {
        Intake intake = new Intake(file, password);
        intake.laid = now;
        intake.revision = revision;
        intake.pdf = revision != null;
        return intake;
    }

    /**
     * The same of a PDF, as long as its file is what it was.
     *
     * @param print the {@link #fingerprint} of the file as it was taken in
     */
    public static Intake revised(Path file, String password, Taken taken, PagedDocument now, String print) {
        if (print != null && print.equals(fingerprint(file))) {
            return revised(file, password, new Revision(original(file, password), taken), now);
        }
        Intake intake = revised(file, password, null, now);
        intake.tell(Finding.changed(Message.of("open.all-pages-were-set-anew-since", file.getFileName())));
        return intake;
    }

    /**
     * A document that waited to be published: where the PDF it came from is still there and opens, its pages are kept as far as they are what they were.
     *
     * @param file it came from, or null
     */
    static Intake waiting(Path file, PagedDocument now, Progress progress) {
        Intake intake = new Intake(file, null);
        intake.laid = now;
        intake.pdf = false;
        Format format = file == null || !Files.isRegularFile(file) ? null : Formats.of(new Content(Decant.bytes(file), file.getFileName().toString()));
        // A workbook that nobody revised is published as the sheets it holds.
        if (format instanceof SheetFormat && Decant.open(file, null, progress).document().equals(now.document())) return new Intake(file, null);
        if (format != FixedFormat.PDF) return intake;
        try {
            return revised(file, null, Decant.open(file, null, progress), now, fingerprint(file));
        } catch (DecantException e) {
            if (e.kind() == DecantException.Kind.CANCELLED) throw e;
            LoggerFactory.getLogger(Intake.class).info("{} is published from its text", file, e);
            intake.tell(Finding.changed(Message.of("open.all-pages-were-set-anew-since-2", file.getFileName())));
            return intake;
        }
    }

    /** What a file is told by: where it changes, so does this. Null where it can't be read. */
    public static String fingerprint(Path file) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(Files.readAllBytes(file)));
        } catch (IOException e) {
            LoggerFactory.getLogger(Intake.class).info("{} can't be read", file, e);
            return null;
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * A PDF as it lies there now, for pages that are to stay its own.
     *
     * @throws DecantException where it can't be read
     */
    public static Original original(Path file, String password) { return new Original(String.valueOf(file.getFileName()), Decant.bytes(file), password); }

    /** Whether a PDF has bookmarks of its own. */
    public static boolean hasBookmarks(Path file, String password) {
        try {
            return !OwnPages.of(original(file, password), WordLines::of).headings().isEmpty();
        } catch (DecantException e) {
            LoggerFactory.getLogger(Intake.class).info("{}", e.getMessage(), e);
            return false;
        }
    }

    /** The same, and something else to be told of it. */
    public Intake telling(List<Finding> more) {
        more.forEach(this::tell);
        return this;
    }

    /** What was found taking its text in, and why pages that could have been kept are set anew. */
    public synchronized List<Finding> findings() { return List.copyOf(findings); }

    /**
     * What is published under a recipe.
     *
     * @throws app.decant.document.DecantException where the file can't be opened, or its owner forbids what is wished
     */
    public synchronized Pages pages(Recipe recipe, Progress progress) {
        if (isSheets()) return sheets(recipe, progress);
        if (!isPdf() || !recipe.keepsPages()) {
            answer(progress);
            return settled(recipe, progress);
        }
        Pages kept = revision != null ? revised(progress) : own(recipe, progress);
        return recipe.style().standard() == Standard.NONE ? kept : held(kept, recipe, progress);
    }

    /** Writes what was filled into the file's own fields into the controls that stand for them, once. */
    private void answer(Progress progress) {
        if (answered || laid == null || laid.document().answers().isEmpty()) return;
        answered = true;
        AnsweredControls.Answered filled = AnsweredControls.in(laid.document(), FileForm.of(original(file, password)));
        if (filled.left() > 0) tell(Finding.lost(Message.of("form.answers-stay", filled.left())));
        if (!filled.document().equals(laid.document())) filledIn = Decant.layOut(filled.document(), progress);
    }

    private Pages own(Recipe recipe, Progress progress) {
        OwnPages pages = own();
        boolean needsHeadings = (pages.headings().isEmpty() || recipe.style().bookmarks().anew()) && recipe.style().bookmarks().any()
                && !recipe.style().bookmarks().equals(PdfStyle.PLAIN.bookmarks());
        if (needsHeadings && headed == null) {
            PagedDocument now = laid(progress);
            // Where they stand on the file's own pages, which is not where they are laid out.
            try (Revision untouched = new Revision(original, taken)) {
                headed = pages.with(untouched.published(now, progress).pages().found());
            }
        }
        return needsHeadings ? headed : pages;
    }

    /** The file's own pages as they keep a standard; all set anew where they can't. */
    private Pages held(Pages kept, Recipe recipe, Progress progress) {
        Standard standard = recipe.style().standard();
        // Pages that were set anew among others have no place in the structure of these.
        if (!(kept instanceof KeptPages pages) || !(kept instanceof OwnPages) && standard.needsTags()) {
            tell(Finding.changed(Message.of("open.its-pages-were-set-anew-since-4", standard.words())));
            return settled(recipe, progress);
        }
        if (held == null || held.standard != standard || held.pages != pages)
            held = new Held(standard, pages, HeldPages.of(file, pages, standard, () -> structure(progress), progress));
        HeldPages found = held.found;
        if (found.pages() != null) return found.pages();
        tell(Finding.changed(Message.of("open.its-pages-were-set-anew-since", standard.words(),
                Message.list(found.broken().subList(0, Math.min(2, found.broken().size()))))));
        return settled(recipe, progress);
    }

    /** Pages laid out here, tracked changes settled as wished; kept, since a recipe is looked at more than once. */
    private Pages settled(Recipe recipe, Progress progress) {
        if (recipe.target() == Target.TXT && laid == null && isPdf()) return words(progress);
        PagedDocument now = filledIn != null ? filledIn : laid(progress);
        if (recipe.target() != Target.PDF) return now;
        Recipe.Changes changes = recipe.changes();
        if (!settled.containsKey(changes)) settled.put(changes, SettledPages.of(now, recipe, progress, this::tell));
        return settled.get(changes);
    }

    /** A PDF for whoever wants nothing but its words. */
    private Pages words(Progress progress) {
        if (words == null) {
            Taken taken = Decant.words(file, password, progress);
            taken.findings().forEach(this::tell);
            words = new UnlaidText(taken.document());
        }
        return words;
    }

    private Pages revised(Progress progress) {
        if (revised != null) return revised;
        Revision.Result result = revision.published(laid, progress);
        revised = result.pages();
        result.findings().forEach(this::tell);
        return revised;
    }

    private void tell(Finding finding) { if (!findings.contains(finding)) findings.add(finding); }

    private boolean isPdf() {
        if (pdf == null) {
            byte[] bytes = Decant.bytes(file);
            String name = String.valueOf(file.getFileName());
            format = Formats.of(new Content(bytes, name));
            pdf = format == FixedFormat.PDF;
            if (pdf) original = new Original(name, bytes, password);
        }
        return pdf;
    }

    /** Whether it is a workbook as it lies there, not one that was taken in as tables and revised. */
    private boolean isSheets() {
        if (laid != null) return false;
        isPdf();
        if (format == OtherFormat.PROTECTED) {
            String name = String.valueOf(file.getFileName());
            format = Formats.of(new Content(OfficeLock.unlocked(Decant.bytes(file), name, password), name));
        }
        return format instanceof SheetFormat;
    }

    private Pages sheets(Recipe recipe, Progress progress) {
        if (workbook == null) {
            ReadWorkbook read = Decant.workbook(file, password, separated, progress);
            findings.addAll(read.findings());
            workbook = corrected == null ? read.workbook() : corrected.workbook();
            if (corrected != null) corrected.findings().forEach(this::tell);
        }
        return SheetLayout.of(workbook, recipe.sheets(), FontCatalogue.ofThisMachine(), progress);
    }

    /** What was found in its text, for those who can't see it. */
    private LogicalStructure structure(Progress progress) {
        PagedDocument now = laid(progress);
        return revision != null ? revision.structure(now) : FoundStructure.of(now, provenance);
    }

    private OwnPages own() {
        if (own == null) own = OwnPages.of(original, WordLines::of);
        return own;
    }

    private PagedDocument laid(Progress progress) {
        if (laid == null) {
            taken = reader.apply(progress);
            taken.findings().forEach(this::tell);
            provenance = taken.provenance();
            laid = Decant.layOut(taken.document(), progress);
        }
        return laid;
    }
}
