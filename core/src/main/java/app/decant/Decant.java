package app.decant;

import app.decant.document.AddressFinder;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChanges;
import app.decant.folder.FolderJournal;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderRun;
import app.decant.folder.FolderScan;
import app.decant.font.FontCatalogue;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.Formats;
import app.decant.format.OfficeLock;
import app.decant.format.OtherFormat;
import app.decant.format.Taken;
import app.decant.format.sheet.ReadWorkbook;
import app.decant.format.sheet.SeparatedValues;
import app.decant.format.sheet.SheetFormat;
import app.decant.format.text.PlainFormat;
import app.decant.format.text.TextReader;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.outbox.MailOutbox;
import app.decant.page.Original;
import app.decant.page.Pages;
import app.decant.pdf.Attachment;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.keep.SourceInside;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import app.decant.proof.Proof;
import app.decant.proof.Side;
import app.decant.publish.Delivery;
import app.decant.publish.Guard;
import app.decant.publish.Order;
import app.decant.publish.Output;
import app.decant.publish.PublishQueue;
import app.decant.publish.Publisher;
import app.decant.publish.Receipt;
import app.decant.publish.ReceiptFile;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import app.decant.publish.UserFolder;
import app.decant.recover.FixedFormat;
import app.decant.recover.PageText;
import app.decant.sheet.CellComparison;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.SheetLayout;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.slf4j.LoggerFactory;

/**
 * The one thing a newcomer has to find.
 *
 * <pre>{@code
 * Document handbook = Decant.open(Path.of("handbook.docx")).document();
 * Receipt receipt = Decant.publish(handbook, Recipe.PLAIN, Path.of("handbook.pdf"));
 * }</pre>
 */
public final class Decant {
    /** Some three pages. */
    private static final int FIRST_BLOCKS = 60;
    /** Files beyond this size are no office documents. */
    private static final long MOST_BYTES = 1L << 30;

    private Decant() { }

    /** The folder of this user in which recipes, settings and the outbox are kept; the system property {@code decant.home} names another. */
    public static Path home() { return UserFolder.ready(Path.of(System.getProperty("decant.home", System.getProperty("user.home") + "/.decant"))); }

    /** Workbooks with more cells are not laid out as tables to be looked at; of those so many rows are. */
    private static final long LARGE = 60_000;
    private static final int BEGINNING = 50;

    /** Takes a document in. The file is only read, never written to. */
    public static Taken open(Path file) { return open(file, null, Progress.SILENT); }

    /**
     * Takes a document in.
     *
     * @param password for protected files, or null
     * @throws DecantException with a sentence that says why it can't be opened
     */
    public static Taken open(Path file, String password, Progress progress) {
        return notTooDeep(file, (bytes, name) -> read(bytes, name, password, progress));
    }

    /**
     * The first pages of a text document, to be looked at while all of it is taken in; empty where it has to be read as a whole, or can't be read. What makes
     * them differ later is told further on in the file: how many pages there are, notes at its end.
     */
    public static Optional<PagedDocument> ahead(Path file) {
        try {
            Document first = Formats.beginning(bytes(file), String.valueOf(file.getFileName()), FIRST_BLOCKS);
            return Optional.ofNullable(first).map(some -> Layout.of(some, FontCatalogue.ofThisMachine()));
        } catch (RuntimeException | StackOverflowError e) {
            // Why it can't be opened is told by the taking in itself; a part that can't be told must not keep the whole out.
            LoggerFactory.getLogger(Decant.class).info("The first pages of {} can't be shown", file, e);
            return Optional.empty();
        }
    }

    /** The words of a document, for what has no pages; what only serves these is left undone. */
    static Taken words(Path file, String password, Progress progress) {
        return notTooDeep(file, (bytes, name) -> Formats.words(bytes, name, password, progress));
    }

    private static Taken notTooDeep(Path file, BiFunction<byte[], String, Taken> reader) {
        String name = String.valueOf(file.getFileName());
        try {
            return reader.apply(bytes(file), name);
        } catch (StackOverflowError e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("open.nests-deeper-than-any-real-document", name), e);
        }
    }

    /**
     * Takes a workbook in, to be put onto pages as the sheets it holds. Locked files of the newer generation are unlocked first.
     *
     * @param password for protected files, or null
     * @throws DecantException with a sentence that says why it can't be opened, or that it is none
     */
    public static ReadWorkbook workbook(Path file, String password, Progress progress) {
        return workbook(file, password, SeparatedValues.AS_FOUND, progress);
    }

    /** The same, values between separators read as it is wished. */
    public static ReadWorkbook workbook(Path file, String password, SeparatedValues wished, Progress progress) {
        Content content = unlocked(file, password);
        if (!(Formats.of(content) instanceof SheetFormat format))
            throw new DecantException(DecantException.Kind.UNSUPPORTED, Message.of("sheet.no-workbook"));
        return workbook(format, content, password, wished, progress);
    }

    private static ReadWorkbook workbook(SheetFormat format, Content content, String password, SeparatedValues wished, Progress progress) {
        if (wished.equals(SeparatedValues.AS_FOUND)) return format.workbook(content, password, progress);
        if (format != SheetFormat.CSV) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("sheet.not-separated", content.name()));
        return SheetFormat.separated(content, wished, progress);
    }

    /**
     * A workbook that was taken in.
     *
     * @param taken    as a document of tables; of a large one only their first rows, to be looked at
     * @param isLarge  whether that is so
     * @param separated how its values between separators were read; null for other files
     */
    public record Sheets(Workbook workbook, Taken taken, boolean isLarge, SeparatedValues separated) { }

    /** Takes a workbook in, also as tables; nothing where the file is something else. Fails as {@link #workbook}. */
    public static Optional<Sheets> sheets(Path file, String password, SeparatedValues wished, Progress progress) {
        Content content = unlocked(file, password);
        if (!(Formats.of(content) instanceof SheetFormat format)) return Optional.empty();
        ReadWorkbook read = workbook(format, content, password, wished, progress);
        long cells = read.workbook().sheets().stream().flatMap(sheet -> sheet.rows().stream()).mapToLong(row -> row.cells().size()).sum();
        boolean large = cells > LARGE;
        return Optional.of(new Sheets(read.workbook(), format.taken(read, large ? BEGINNING : Integer.MAX_VALUE), large,
                read.separated()));
    }

    /** Takes values between separators in as a table, read as it is wished. */
    public static Taken openSeparated(Path file, SeparatedValues wished, Progress progress) {
        return SheetFormat.CSV.taken(workbook(file, null, wished, progress), Integer.MAX_VALUE);
    }

    /**
     * Takes plain text in whose encoding is known.
     *
     * @throws DecantException where the file is something else
     */
    public static Taken openText(Path file, Charset letters) {
        byte[] bytes = bytes(file);
        Format format = Formats.of(bytes);
        if (format != PlainFormat.TXT && format != OtherFormat.UNKNOWN)
            throw new DecantException(DecantException.Kind.WRONG_CALL,
                    Message.of("open.is-which-says-itself-how-its-letters", file.getFileName(), format.phrase()));
        return TextReader.read(bytes, letters, Progress.SILENT);
    }

    static byte[] bytes(Path file) {
        String name = String.valueOf(file.getFileName());
        try {
            if (!Files.exists(file)) throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("open.is-not-there-look-whether", name));
            if (Files.isDirectory(file)) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("open.is-a-folder-choose-a-file-inside", name));
            if (Files.size(file) > MOST_BYTES)
                throw new DecantException(DecantException.Kind.UNSUPPORTED, Message.of("open.is-larger-than-one-gigabyte-no-document", name));
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("open.cannot-be-read-look-whether-you-may", name), e);
        }
    }

    /** The document that a PDF was made from, where that travels inside it. Empty for all other files. */
    public static Optional<Attachment> sourceInside(Path file, String password) {
        byte[] bytes = bytes(file);
        String name = String.valueOf(file.getFileName());
        return Formats.of(new Content(bytes, name)) == FixedFormat.PDF ? SourceInside.of(new Original(name, bytes, password)) : Optional.empty();
    }

    /**
     * The fields of a PDF's own form, to be filled in. Nothing of its text is read.
     *
     * @throws DecantException where it is no PDF, or can't be opened
     */
    public static FileForm form(Path file, String password) {
        byte[] bytes = bytes(file);
        String name = String.valueOf(file.getFileName());
        if (Formats.of(new Content(bytes, name)) != FixedFormat.PDF)
            throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("form.no-pdf", name));
        return FileForm.of(new Original(name, bytes, password));
    }

    private static Taken read(byte[] bytes, String name, String password, Progress progress) {
        return Formats.read(bytes, name, password, progress);
    }

    /**
     * Compares any two files page by page: PDFs as they are, documents as they are laid out here.
     *
     * @param password for protected files, or null
     */
    public static Comparison compare(Path original, Path result, String password, Progress progress) {
        try (Side before = side(original, password, progress); Side after = side(result, password, progress)) {
            return Proof.compare(before, after, progress);
        }
    }

    /** Compares two workbooks cell by cell; nothing where either is none. */
    public static Optional<CellComparison> compareCells(Path original, Path result, String password, Progress progress) {
        if (!isWorkbook(original, password) || !isWorkbook(result, password)) return Optional.empty();
        return Optional.of(CellComparison.of(workbook(original, password, progress).workbook(), workbook(result, password, progress).workbook()));
    }

    private static boolean isWorkbook(Path file, String password) { return Formats.of(unlocked(file, password)) instanceof SheetFormat; }

    /** What a file holds, a locked one of the newer generation unlocked. */
    private static Content unlocked(Path file, String password) {
        String name = String.valueOf(file.getFileName());
        Content content = new Content(bytes(file), name);
        if (Formats.of(content) == OtherFormat.PROTECTED) content = new Content(OfficeLock.unlocked(content.bytes(), name, password), name);
        return content;
    }

    /** Compares a document that was taken in with the file it came from: how faithful it is. */
    public static Comparison faith(Path original, String password, PagedDocument result, Progress progress) {
        try (Side before = side(original, password, progress)) {
            return Proof.compare(before, result, progress);
        }
    }

    /**
     * Compares a PDF with the document that travels inside it, as that is laid out here: what reads otherwise, or is not there.
     *
     * @param inside as {@link #sourceInside} found it
     * @throws DecantException where either can't be read
     */
    public static List<Difference> differencesInside(Path pdf, String password, Attachment inside, Progress progress) {
        Document source = Formats.read(inside.bytes(), inside.name(), null, progress).document();
        List<PageText> laid = PageText.of(layOut(TrackedChanges.settled(source, true), progress));
        List<PageText> shown = PageText.of(bytes(pdf), String.valueOf(pdf.getFileName()), password, progress);
        return Proof.compare(laid, shown, progress).differences().stream().filter(one -> switch (one.kind()) {
            case PAGES, TEXT, PICTURE, HEADING -> true;
            case LINE_END, PLACE, COLOUR, LOOK, LINK, FONT, STRUCTURE, DRAWING, FIELD, NUMBER -> false;
        }).toList();
    }

    /** What the pages of a file show, all tracked changes accepted. */
    private static Side side(Path file, String password, Progress progress) { return side(file, password, true, progress); }

    /** @param settled whether tracked changes are accepted, or rejected; null where they are shown */
    private static Side side(Path file, String password, Boolean settled, Progress progress) {
        byte[] bytes = bytes(file);
        String name = String.valueOf(file.getFileName());
        if (Formats.of(new Content(bytes, name)) instanceof FixedFormat format) return Side.of(format.pages(bytes, name), name, password, progress);
        if (Formats.of(new Content(bytes, name)) instanceof SheetFormat)
            return Side.of(SheetLayout.of(workbook(file, password, progress).workbook(), SheetChoice.AS_SET_UP, FontCatalogue.ofThisMachine(), progress));
        Document document = open(file, password, progress).document();
        return Side.of(layOut(settled == null ? document : TrackedChanges.settled(document, settled)));
    }

    /** Lays a document out with all fonts of this machine. */
    public static PagedDocument layOut(Document document) { return Layout.of(document, FontCatalogue.ofThisMachine()); }

    /** The same, told how far it is and stopped where that is wished. */
    public static PagedDocument layOut(Document document, Progress progress) { return new Layout(FontCatalogue.ofThisMachine()).next(document, progress); }

    /** Publishes a document as a recipe says. */
    public static Receipt publish(Document document, Recipe recipe, Path file) { return publish(document, recipe, file, Progress.SILENT); }

    /**
     * Publishes a document as a recipe says: laid out, written beside its place, opened again and checked, then given its name.
     *
     * @return the receipt; of the first file where the recipe makes one for each page
     * @throws DecantException where that does not succeed; nothing was replaced then
     */
    public static Receipt publish(Document document, Recipe recipe, Path file, Progress progress) {
        return publish(new Order(layOut(document, progress), recipe), file, progress).get(0);
    }

    /**
     * Publishes what an order says: one file, or where its recipe has a pattern for names, one for each page.
     *
     * @param file where it is to be; for one file a page, its folder and the front of the names
     */
    public static List<Receipt> publish(Order wished, Path file, Progress progress) {
        List<Finding> settled = new ArrayList<>();
        Pages pages = ScannedText.of(SettledPages.of(wished.pages(), wished.recipe(), progress, settled::add), wished.recipe(), progress, settled::add);
        Order order = travelling(linked(wished.with(pages)).permitted());
        boolean each = order.recipe().split() != null && order.recipe().target() == Target.PDF;
        List<Receipt> receipts = new ArrayList<>(each ? Publisher.publishEach(order, file, Instant.now(), progress)
                : List.of(Publisher.publish(order, file, Instant.now(), progress)));
        if (!settled.isEmpty()) receipts.set(0, receipts.get(0).with(settled));
        return receipts;
    }

    /**
     * Publishes several outputs of one document together, each worked on by itself.
     *
     * @return the receipts of all files, in order
     * @throws DecantException where one does not succeed; the others are there then, and the sentence says so
     */
    public static List<Receipt> publish(List<Output> outputs, Progress progress) {
        Output.refuseClashes(outputs);
        if (outputs.size() == 1) return publish(outputs.get(0).order(), outputs.get(0).file(), progress);
        AtomicInteger done = new AtomicInteger();
        List<CompletableFuture<List<Receipt>>> running = outputs.stream().map(output -> CompletableFuture.supplyAsync(() -> {
            List<Receipt> made = publish(output.order(), output.file(), (step, total, what) -> progress.goOn(done.get(), outputs.size(), what));
            done.incrementAndGet();
            return made;
        })).toList();
        List<Receipt> receipts = new ArrayList<>();
        DecantException trouble = null;
        for (CompletableFuture<List<Receipt>> one : running) {
            try {
                receipts.addAll(one.join());
            } catch (CompletionException e) {
                if (!(e.getCause() instanceof DecantException told)) throw e;
                trouble = told;
            }
        }
        if (trouble == null) return receipts;
        if (trouble.kind() == DecantException.Kind.CANCELLED || receipts.isEmpty()) throw trouble;
        String made = receipts.stream().map(receipt -> receipt.file().getFileName().toString()).collect(Collectors.joining(", "));
        throw new DecantException(trouble.kind(), Message.of("open.made-nevertheless", trouble.message(), made), trouble);
    }

    /**
     * Puts a document into the queue of this user, with all that is wished of it.
     *
     * @param password that opened its file, or null
     */
    public static PublishQueue.Waiting queue(Document document, String title, Path source, String password, List<PublishQueue.Wish> wishes, Delivery delivery) {
        boolean isProtected = password != null && !password.isEmpty() && source != null && !opens(source, null);
        return queue().add(document, title, source, isProtected, null, wishes, delivery, Instant.now());
    }

    /**
     * The same of a document that may have been revised since it was taken in: what is to travel inside is made of it as it reads now.
     *
     * @param came as it was taken in
     */
    public static PublishQueue.Waiting queue(Document document, Taken came, String title, Path source, String password, List<PublishQueue.Wish> wishes,
            Delivery delivery) {
        boolean travels = wishes.stream().anyMatch(wish -> wish.recipe().attachSource());
        boolean isProtected = password != null && !password.isEmpty() && !opens(source, null);
        Attachment inside = travels && !isProtected ? TravellingSource.of(source, password, came, document).attachment() : null;
        return queue().add(document, title, source, isProtected, inside, wishes, delivery, Instant.now());
    }

    /** The publications of this user that wait. */
    public static PublishQueue queue() { return new PublishQueue(home().resolve("queue")); }

    /**
     * Makes one that waits, and does with the files what was wished.
     *
     * @throws DecantException where that does not succeed; it waits on then, and says why
     */
    public static List<Receipt> publishWaiting(PublishQueue.Waiting waiting, Progress progress) {
        return queue().run(waiting, (document, one, told) -> {
            Guard guard = Guard.NONE.and(one.source());
            Intake intake = Intake.waiting(one.source(), layOut(document), told);
            List<Receipt> receipts = new ArrayList<>(publish(one.wishes().stream().map(wish -> new Output(new Order(intake.pages(wish.recipe(), told),
                    wish.recipe(), Recipe.Passwords.NONE, one.attachment(), guard), wish.file())).toList(), told));
            receipts.set(0, receipts.get(0).with(intake.findings()));
            return deliver(receipts, one.delivery(), guard);
        }, progress);
    }

    /**
     * Does with finished files what was wished, and keeps their receipts.
     *
     * @return the receipts, which name the mail where the files are nowhere else
     */
    public static List<Receipt> deliver(List<Receipt> receipts, Delivery delivery, Guard guard) {
        Instant when = Instant.now();
        List<Receipt> delivered = receipts;
        if (!delivery.mailTo().isEmpty()) {
            List<Path> files = receipts.stream().map(Receipt::file).toList();
            String name = SafeFile.withoutEnding(files.get(0).getFileName().toString());
            Path letter = outbox().put(new MailOutbox.Letter(delivery.mailTo(), name, "", files), when);
            Message words = Message.of("open.in-the-mail", letter.getFileName(), delivery.mailOnly());
            if (delivery.mailOnly()) delete(files);
            delivered = receipts.stream().map(receipt -> (delivery.mailOnly() ? receipt.in(letter) : receipt)
                    .with(List.of(Finding.note(words).at(Message.said(letter.toString()))))).toList();
        }
        for (Receipt receipt : delivered) ReceiptFile.keep(receipt, when, home().resolve("receipts"));
        if (delivery.receipt() != null) ReceiptFile.write(delivered, when, delivery.receipt(), guard);
        return delivered;
    }

    /** The mails of this user that are ready to be sent. */
    public static MailOutbox outbox() { return new MailOutbox(home().resolve("outbox")); }

    private static void delete(List<Path> files) {
        for (Path file : files) {
            try {
                Files.delete(file);
            } catch (IOException e) {
                throw new DecantException(DecantException.Kind.TARGET_LOCKED, Message.of("open.the-mail-is-in-the-outbox", file.getFileName()), e);
            }
        }
    }

    /**
     * Makes all files of a plan. What an earlier run has made of the same files is not made again; what it was making when it broke off is.
     *
     * @param journals where the journal is kept, usually the first target
     * @return how every file ended
     */
    public static List<FolderJournal.Entry> runFolder(FolderPlan plan, FolderScan scan, Path journals, FolderRun.Listener listener) {
        try (FolderJournal journal = FolderJournal.open(journals, plan.part(), plan.parts())) {
            return folderRun(plan, listener).run(scan, journal);
        }
    }

    /** A run that can be paused and stopped. */
    public static FolderRun folderRun(FolderPlan plan, FolderRun.Listener listener) { return folderRun(plan, List.of(), Recipe.Passwords.NONE, listener); }

    /**
     * A run over files some of which are protected, or whose results are to be.
     *
     * @param keys      passwords that are tried on protected files, in this order
     * @param passwords that lock the results where the plan's recipes do
     */
    public static FolderRun folderRun(FolderPlan plan, List<String> keys, Recipe.Passwords passwords, FolderRun.Listener listener) {
        for (Map.Entry<String, Recipe> output : plan.outputs()) output.getValue().refuseContradictions(passwords);
        return new FolderRun(plan, new FolderRun.Work() {
            @Override public FolderRun.Made make(Path source, Recipe recipe, Path target, Guard guard, boolean score, Consumer<Pages> seen, Progress progress) {
                return made(source, recipe, target, guard, score, seen, progress, keys, passwords);
            }

            @Override public boolean stands(Path result, Recipe recipe) { return Publisher.isLocked(result, recipe, passwords); }
        }, listener);
    }

    private static FolderRun.Made made(Path source, Recipe recipe, Path target, Guard guard, boolean score, Consumer<Pages> seen, Progress progress,
            List<String> keys, Recipe.Passwords passwords) {
        String key = null;
        Intake intake = new Intake(source, null);
        Pages pages;
        try {
            pages = intake.pages(recipe, progress);
        } catch (DecantException e) {
            if (e.kind() != DecantException.Kind.NEEDS_PASSWORD) throw e;
            key = keys.stream().filter(one -> opens(source, one)).findFirst().orElseThrow(() -> e);
            intake = new Intake(source, key);
            pages = intake.pages(recipe, progress);
        }
        seen.accept(pages);
        Receipt receipt = publish(new Order(pages, recipe, passwords, source, guard), target, progress).get(0);
        List<Finding> findings = new ArrayList<>(intake.findings());
        findings.addAll(receipt.findings());
        return new FolderRun.Made(receipt, findings, score ? score(source, key, pages, receipt, recipe, passwords, progress) : -1);
    }

    /** How faithful a result is to its source; -1 where that can't be told. */
    private static double score(Path source, String key, Pages pages, Receipt receipt, Recipe recipe, Recipe.Passwords passwords, Progress progress) {
        // Tables taken out of a text are only a part of it.
        if (recipe.target().format() instanceof SheetFormat && pages.origin(Workbook.class).isEmpty()) return -1;
        // A locked result lets nobody take its text out; what it was made of is compared instead.
        if (recipe.locking().isOn() && pages instanceof PagedDocument laid) return faith(source, key, laid, progress).score();
        String opens = recipe.locking().isOn() ? passwords.toChange() : null;
        if (opens != null && opens.isEmpty()) return -1;
        Boolean settled = recipe.changes().settled(recipe.target());
        try (Side before = side(source, key, settled, progress); Side after = side(receipt.file(), opens, settled, progress)) {
            return Proof.compare(before, after, progress).score();
        }
    }

    static boolean opens(Path source, String key) {
        return Formats.opens(bytes(source), source.getFileName().toString(), key);
    }

    /** A PDF that has its source inside keeps that one: it does not travel in itself. */
    private static Order travelling(Order order) {
        boolean asks = order.recipe().attachSource() && order.recipe().target() == Target.PDF && order.inside() == null && order.source() != null;
        return asks && order.pages().original().isPresent() ? order.with(sourceInside(order.source(), order.pages().original().get().password()).orElse(null))
                : order;
    }

    /** With links made of addresses in the text, where the recipe wishes for that. */
    private static Order linked(Order order) {
        Recipe.Links links = order.recipe().links();
        // Sheets are no running text: their links are those of their cells.
        if (links == Recipe.Links.AS_THEY_ARE || order.pages().origin(Workbook.class).isPresent()) return order;
        return order.pages().origin(Document.class).map(document -> order.with(layOut(AddressFinder.linked(document, linkLook(links))))).orElse(order);
    }

    private static Look linkLook(Recipe.Links links) {
        return links == Recipe.Links.FOUND_AND_SHOWN ? Look.of(TextProperty.UNDERLINE, TextProperty.Underline.SINGLE).with(TextProperty.COLOUR,
                new Colour(0x1F4E79)) : Look.PLAIN;
    }
}
