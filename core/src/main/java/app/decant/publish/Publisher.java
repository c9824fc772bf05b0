package app.decant.publish;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.ForeignDocument;
import app.decant.format.Formats;
import app.decant.format.OfficeLock;
import app.decant.format.PassingLinks;
import app.decant.format.Written;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.format.sheet.SheetFormat;
import app.decant.format.text.TextReader;
import app.decant.format.text.TextWriter;
import app.decant.page.Pages;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.check.KeptCheck;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.check.ProtectionCheck;
import app.decant.pdf.keep.KeptWriter;
import app.decant.pdf.lock.PasswordStrength;
import app.decant.pdf.lock.Protection;
import app.decant.pdf.write.PdfWriter;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.slf4j.LoggerFactory;

/** Publishes laid-out documents. */
public final class Publisher {
    private static final int SAMPLE = 120;

    private Publisher() { }

    /**
     * Writes one output, opens it again, checks it, and only then gives it its name.
     *
     * @param order what is published, under which choices
     * @param file  where it is to be
     * @param when  recorded in the file as its time of making
     * @throws DecantException where it can't be written or does not hold what it should; an older file of the name is then as it was
     */
    public static Receipt publish(Order order, Path file, Instant when, Progress progress) {
        Contradictions.refuse(order);
        Recipe recipe = order.recipe();
        List<Integer> chosen = recipe.target() == Target.PDF ? recipe.pages().of(order.labels()) : List.of();
        return publish(order, chosen, file, when, progress);
    }

    /**
     * Writes each chosen page as a file of its own, named by the recipe's pattern.
     *
     * @param file its folder is where the files go; its name without the ending stands for {@code {name}}
     */
    public static List<Receipt> publishEach(Order order, Path file, Instant when, Progress progress) {
        Contradictions.refuse(order);
        Recipe recipe = order.recipe();
        List<Integer> chosen = recipe.pages().of(order.labels());
        List<Path> files = names(order, file, when);
        if (new HashSet<>(files).size() < files.size())
            throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("publish.the-pattern-gives-two-pages-one-name", recipe.split()));
        // All or none: a name that is taken is told before the first file is written.
        for (Path one : files) SafeFile.place(one, recipe.present(), order.guard());
        List<Receipt> receipts = new ArrayList<>();
        for (int i = 0; i < chosen.size(); i++) {
            progress.step(i, chosen.size(), Message.of("step.writing-files"));
            receipts.add(publish(order, List.of(chosen.get(i)), files.get(i), when, Progress.SILENT));
        }
        if (receipts.size() > 1) receipts.set(0, receipts.get(0).with(ofTheOthers(receipts)));
        return receipts;
    }

    /** The names of all files that an order gives: one, or one for each page. */
    static List<Path> names(Order order, Path file, Instant when) {
        Recipe recipe = order.recipe();
        if (recipe.split() == null || recipe.target() != Target.PDF) return List.of(file);
        String name = SafeFile.withoutEnding(file.getFileName().toString());
        List<Integer> chosen = recipe.pages().of(order.labels());
        List<Path> files = new ArrayList<>();
        for (int i = 0; i < chosen.size(); i++)
            files.add(file.resolveSibling(NamePattern.of(recipe.split(), name, order.pages(), chosen.get(i), i + 1, when) + "." + recipe.target().ending()));
        return files;
    }

    /** What the first receipt says for all files: that there are more, and what was found in them only. */
    private static List<Finding> ofTheOthers(List<Receipt> receipts) {
        int more = receipts.size() - 1;
        Set<Finding> findings = new LinkedHashSet<>();
        for (Receipt receipt : receipts) findings.addAll(receipt.findings());
        receipts.get(0).findings().forEach(findings::remove);
        List<Finding> told = new ArrayList<>();
        told.add(Finding.changed(Message.of("publish.more-files-stand-beside-this-one", more)));
        told.addAll(findings);
        return told;
    }

    /**
     * About how many bytes a PDF will have. Long documents are judged by some of their pages.
     *
     * @return -1 where the choices can't be followed, which publishing will say in words
     */
    public static long estimate(Order order, Progress progress) {
        try {
            List<Integer> chosen = order.recipe().pages().of(order.labels());
            List<Integer> some = new ArrayList<>();
            // A file's own pages are copied, which takes no time.
            int step = order.pages().original().isPresent() ? 1 : Math.max(1, (chosen.size() + SAMPLE - 1) / SAMPLE);
            for (int i = 0; i < chosen.size(); i += step) some.add(chosen.get(i));
            long whole = measured(order, some, progress);
            if (step == 1) return whole;
            // Fonts and facts are there once; pages grow with their number.
            long half = measured(order, some.subList(0, some.size() / 2), progress);
            double page = (double) (whole - half) / (some.size() - some.size() / 2);
            return Math.round(whole + page * (chosen.size() - some.size()));
        } catch (DecantException e) {
            if (e.kind() == DecantException.Kind.CANCELLED) throw e;
            return -1;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static long measured(Order order, List<Integer> chosen, Progress progress) throws IOException {
        long[] bytes = {0};
        OutputStream counter = new OutputStream() {
            @Override public void write(int one) { bytes[0]++; }
            @Override public void write(byte[] some, int from, int count) { bytes[0] += count; }
        };
        PdfChoices choices = order.choices(chosen, Instant.EPOCH);
        if (order.pages().original().isPresent()) KeptWriter.write(order.pages(), choices, order.factsWish(), counter, progress);
        else PdfWriter.write(order.pages(), choices, counter, progress);
        return bytes[0];
    }

    private static Receipt publish(Order order, List<Integer> chosen, Path file, Instant when, Progress progress) {
        long start = System.nanoTime();
        Pages pages = order.pages();
        Recipe recipe = order.recipe();
        List<PdfCheck.Proof> proofs = new ArrayList<>();
        boolean sheets = recipe.target().format() instanceof SheetFormat;
        // Neither plain text nor cells stand on pages, or in fonts.
        boolean onPages = recipe.target() == Target.PDF || recipe.target() != Target.TXT && !sheets
                && pages.origin(Workbook.class).isEmpty();
        List<Finding> findings = new ArrayList<>(onPages ? pages.findings() : List.of());
        findings.addAll(asTables(order));
        Path done = sheets ? SheetFile.write(order, (SheetFormat) recipe.target().format(), file, when, proofs, findings) : recipe.target() == Target.PDF
                ? pdf(order, chosen, file, when, proofs, findings, progress) : text(written(order, findings), order, file,
                when, proofs, findings);
        try {
            return new Receipt(done, recipe.target(), chosen.size(), Files.size(done), proofs, findings, Duration.ofNanos(System.nanoTime() - start));
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("publish.vanished-right-after-it-was-written-publish", done.getFileName()),
                    e);
        }
    }

    private static Path pdf(Order order, List<Integer> chosen, Path file, Instant when, List<PdfCheck.Proof> proofs, List<Finding> findings,
            Progress progress) {
        PdfChoices choices = order.choices(chosen, when);
        if (order.pages().original().isPresent()) return kept(order, choices, file, proofs, findings, progress);
        PdfWriter.Written[] written = new PdfWriter.Written[1];
        Path done = SafeFile.write(file, order.recipe().present(), order.guard(), out -> written[0] = PdfWriter.write(order.pages(), choices, out, progress),
                made -> {
            progress.step(chosen.size(), chosen.size(), Message.of("step.checking"));
            proofs.addAll(PdfCheck.check(made, order.pages(), choices, written[0]));
            refuseUnproven(file, proofs);
            if (chosen.size() == order.pages().count()) proofs.add(onPages(order.pages(), findings));
        });
        findings.addAll(written[0].findings());
        protection(choices, findings);
        return done;
    }

    /** Pages of a file that stay what they are. */
    private static Path kept(Order order, PdfChoices choices, Path file, List<PdfCheck.Proof> proofs, List<Finding> findings, Progress progress) {
        KeptWriter.Written[] written = new KeptWriter.Written[1];
        Path done = SafeFile.write(file, order.recipe().present(), order.guard(),
                out -> written[0] = KeptWriter.write(order.pages(), choices, order.factsWish(), out, progress), made -> {
            progress.step(1, 1, Message.of("step.checking"));
            proofs.addAll(KeptCheck.check(made, order.pages(), choices, written[0]));
            refuseUnproven(file, proofs);
            boolean anew = choices.pages().stream().anyMatch(page -> !order.pages().isOwn(page));
            if (anew && choices.pages().size() == order.pages().count()) proofs.add(onPages(order.pages(), findings));
        });
        findings.addAll(written[0].findings());
        protection(choices, findings);
        return done;
    }

    private static void protection(PdfChoices choices, List<Finding> findings) {
        if (PasswordStrength.of(choices.protection().toOpen()) == PasswordStrength.WEAK && choices.protection().isOn())
            findings.add(Finding.changed(Message.of("publish.the-password-to-open-is-quickly-guessed")));
        Set<Protection.Permission> allowed = choices.protection().allowed();
        if (allowed.contains(Protection.Permission.PRINT_FINE) && !allowed.contains(Protection.Permission.PRINT))
            findings.add(Finding.changed(Message.of("publish.fine-printing-is-allowed-but-printing")));
        if (choices.protection().strength().isWeak())
            findings.add(Finding.changed(Message.of("publish.this-encryption-is-weak-whoever-wants")));
    }

    /**
     * Whether all text of the document stands on its pages: the check of a file against its pages can't tell. Text that is on none is told as lost, and
     * the file kept all the same, since whoever made the document may know it so.
     */
    private static PdfCheck.Proof onPages(Pages pages, List<Finding> findings) {
        List<String> lost = pages.unplaced();
        if (lost.isEmpty()) return new PdfCheck.Proof(Message.of("publish.all-text-on-pages"), true);
        int letters = lost.stream().mapToInt(String::length).sum();
        String begins = lost.get(0).substring(0, Math.min(24, lost.get(0).length()));
        findings.add(Finding.lost(Message.of("publish.letters-in-paragraphs-found-no-room", letters, lost.size(), begins)));
        return new PdfCheck.Proof(Message.of("publish.not-all-text-on-pages"), false);
    }

    /** A text document, opened again by the reader of its format: words and their order must be those of the document. */
    private static Path text(Document document, Order order, Path file, Instant when, List<PdfCheck.Proof> proofs, List<Finding> findings) {
        Recipe recipe = order.recipe();
        String password = recipe.locking().isOn() ? order.passwords().toOpen() : "";
        boolean locks = !password.isEmpty();
        if (locks && !recipe.target().canLock())
            throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of("publish.a-cannot-be-locked-by-a-password", recipe.target().ending()));
        Written written = written(document, recipe, when);
        findings.addAll(written.findings());
        byte[] bytes = locks ? OfficeLock.locked(written.bytes(), password) : written.bytes();
        return SafeFile.write(file, recipe.present(), order.guard(), out -> out.write(bytes), made -> {
            byte[] held = Files.readAllBytes(made);
            Document again = recipe.target() == Target.TXT ? TextReader.read(held, recipe.text().letters(), Progress.SILENT).document()
                    : Formats.read(held, file.getFileName().toString(), locks ? password : null, Progress.SILENT).document();
            if (locks) proofs.add(new PdfCheck.Proof(Message.of("publish.does-not-open"), !Formats.opens(Files.readAllBytes(made), "", null)));
            proofs.add(WordsAgain.compared(words(document, recipe), words(again, recipe)));
            refuseUnproven(file, proofs);
        });
    }

    /** What does not come along where the sheets of a workbook become tables. */
    private static List<Finding> asTables(Order order) {
        boolean text = order.recipe().target() != Target.PDF && !(order.recipe().target().format() instanceof SheetFormat);
        return text ? order.pages().origin(Workbook.class).map(SheetFormat::lostInTables).orElse(List.of()) : List.of();
    }

    /** The document as its recipe has it written: with the fonts that go along, the facts that are said, and links that may pass. */
    private static Document written(Order order, List<Finding> findings) {
        Recipe recipe = order.recipe();
        Document settled = Settling.of(order.document(), recipe, findings::add);
        Document document = TravellingFonts.of(settled, order.pages(), recipe, findings);
        document = document.withFacts(recipe.facts().of(document.facts(), null));
        if (recipe.facts().stripped())
            document = document.withKept(document.kept().stream().filter(part -> part.role() == null || !part.role().endsWith("/custom-properties")).toList());
        Document passed = PassingLinks.of(document, recipe.addresses(), findings);
        return recipe.target().format() instanceof OoxmlFormat ? passed : ForeignDocument.of(order.pages().withStatedColumns(passed));
    }

    private static Written written(Document document, Recipe recipe, Instant when) {
        return recipe.target() == Target.TXT ? TextWriter.write(document, recipe.text()) : recipe.target().format().write(document, when);
    }

    /**
     * What an office or web format will not carry of a document, or what becomes otherwise in a PDF that is kept, told before anything is published.
     *
     * @throws DecantException where the publication would not succeed at all
     */
    public static List<Finding> losses(Order order) {
        boolean sheets = order.pages().origin(Workbook.class).isPresent();
        if (order.recipe().target() == Target.PDF) return order.pages().original().isPresent() ? keptLosses(order) : sheets ? order.pages().findings()
                : List.of();
        if (order.recipe().target().format() instanceof SheetFormat format) return SheetFile.losses(order, format);
        List<Finding> findings = new ArrayList<>(asTables(order));
        Document document = written(order, findings);
        findings.addAll(written(document, order.recipe(), Instant.EPOCH).findings());
        return findings;
    }

    private static List<Finding> keptLosses(Order order) {
        try {
            List<Integer> chosen = order.recipe().pages().of(order.labels());
            return KeptWriter.write(order.pages(), order.choices(chosen, Instant.EPOCH), order.factsWish(), OutputStream.nullOutputStream(), Progress.SILENT)
                    .findings();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether a file that was made before opens by these passwords as its recipe locks it; one that is not locked always does. */
    public static boolean isLocked(Path file, Recipe recipe, Recipe.Passwords passwords) {
        if (!recipe.locking().isOn()) return true;
        try {
            if (recipe.target() == Target.PDF) return ProtectionCheck.opensAsWished(file, passwords.toOpen(), passwords.toChange());
            byte[] bytes = Files.readAllBytes(file);
            return !Formats.opens(bytes, "", null) && Formats.read(bytes, "", passwords.toOpen(), Progress.SILENT) != null;
        } catch (IOException | DecantException e) {
            LoggerFactory.getLogger(Publisher.class).info("{} is made anew, since it does not open as wished", file, e);
            return false;
        }
    }

    /** All text without the spaces between words, which not every format keeps one for one. */
    private static String words(Document document, Recipe recipe) {
        Document told = recipe.target().format().shown(document);
        String text = recipe.target() == Target.TXT ? recipe.text().kept(TextWriter.write(told, true)) : TextWriter.write(told);
        return recipe.target().format().compared(text);
    }

    private static void refuseUnproven(Path file, List<PdfCheck.Proof> proofs) {
        for (PdfCheck.Proof proof : proofs) {
            if (!proof.holds()) throw new DecantException(DecantException.Kind.NOT_PROVEN,
                    Message.of("publish.was-not-kept-since-the-check-after", file.getFileName(), proof.sentence()));
        }
    }
}
