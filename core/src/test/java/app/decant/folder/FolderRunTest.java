package app.decant.folder;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import app.decant.Decant;
import app.decant.demo.HarbourNotice;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.folder.FolderJournal.Entry;
import app.decant.folder.FolderJournal.State;
import app.decant.folder.FolderPlan.Kind;
import app.decant.folder.FolderPlan.WhenThere;
import app.decant.format.Format;
import app.decant.format.OfficeLock;
import app.decant.format.binary.BinaryFormat;
import app.decant.format.html.WebFormat;
import app.decant.format.odf.OdfFormat;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.format.rtf.RtfFormat;
import app.decant.format.text.PlainFormat;
import app.decant.pdf.lock.Protection;
import app.decant.publish.LeftOvers;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.words.Message;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Runs over a tree of files of all kinds, good and bad, and what they leave behind. */
class FolderRunTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final List<Format> KINDS = List.of(OoxmlFormat.DOCX, BinaryFormat.DOC, OdfFormat.ODT, RtfFormat.RTF, WebFormat.HTML, WebFormat.MD,
            PlainFormat.TXT);

    @TempDir private Path folder;
    private Path source;
    private Path target;
    private int good;
    private int bad;

    @BeforeEach void makeTree() throws IOException {
        source = folder.resolve("Archive 1998-2006");
        target = folder.resolve("Archive open");
        Document notice = Decant.layOut(HarbourNotice.document()).withFieldResults();
        for (Format format : KINDS) {
            byte[] bytes = format.write(notice, WHEN).bytes();
            for (int i = 0; i < 4; i++) put("year " + (1998 + i) + "/notice " + format.ending() + " " + i + "." + format.ending(), bytes);
            good += 4;
        }
        byte[] docx = OoxmlFormat.DOCX.write(notice, WHEN).bytes();
        byte[] doc = BinaryFormat.DOC.write(notice, WHEN).bytes();
        put("bad/empty.docx", new byte[0]);
        put("bad/cut off.docx", Arrays.copyOf(docx, docx.length / 2));
        put("bad/locked.docx", OfficeLock.locked(docx, "harbour"));
        put("bad/cut off.doc", Arrays.copyOf(doc, 2000));
        put("bad/not a document.doc", "MZ\0\0\1\2\3\4\5\6\7".getBytes(StandardCharsets.ISO_8859_1));
        put("bad/no text.odt", "PK\3\4broken".getBytes(StandardCharsets.ISO_8859_1));
        put("bad/broken.pdf", "%PDF-1.7 nothing".getBytes(StandardCharsets.US_ASCII));
        bad = 7;
        put(".hidden/secret.docx", docx);
        put("year 1998/~$notice.docx", docx);
        put("year 1998/picture.png", new byte[] {1});
    }

    private void put(String name, byte[] bytes) throws IOException {
        Path file = source.resolve(name);
        Files.createDirectories(file.getParent());
        Files.write(file, bytes);
    }

    private FolderPlan plan(WhenThere there, boolean again, double faith) {
        return new FolderPlan(List.of(new FolderPlan.Source(source, target, true, EnumSet.of(Kind.TEXT, Kind.TEMPLATE, Kind.PDF), List.of())),
                List.of(Map.entry("", Recipe.PLAIN)), there, again, true, Duration.ofMinutes(2), faith, 1, 1);
    }

    private List<Entry> run(FolderPlan plan) { return Decant.runFolder(plan, FolderScan.of(plan, Progress.SILENT), target, FolderRun.Listener.NONE); }

    private List<Path> results() throws IOException {
        try (Stream<Path> files = Files.walk(target)) {
            return files.filter(file -> Files.isRegularFile(file) && !file.getFileName().toString().startsWith(".")).sorted().toList();
        }
    }

    @Test void makesAllThatCanBeMadeAndTellsTheRestInSentences() throws IOException {
        FolderPlan plan = plan(WhenThere.KEEP_BOTH, false, 0);
        FolderScan scan = FolderScan.of(plan, Progress.SILENT);
        assertThat(scan.summary()).startsWith(good + bad - 1 + " text documents, 1 PDF, ");
        List<Entry> entries = run(plan);
        assertThat(entries).filteredOn(entry -> entry.state() == State.DONE).hasSize(good);
        assertThat(entries).filteredOn(entry -> entry.state() == State.FAILED).hasSize(bad).allSatisfy(entry -> assertThat(entry.words()).singleElement()
                .asString().endsWith("."));
        assertThat(results()).hasSize(good);
        assertThat(target.resolve("year 1998/notice docx 0.pdf")).exists();
        for (Path result : results()) {
            try (PDDocument pdf = Loader.loadPDF(result.toFile())) {
                assertThat(pdf.getNumberOfPages()).isPositive();
            }
        }
        assertThat(Files.getLastModifiedTime(target.resolve("year 1998/notice docx 0.pdf")))
                .isEqualTo(Files.getLastModifiedTime(source.resolve("year 1998/notice docx 0.docx")));
        assertThat(FolderRun.summary(entries)).isEqualTo(good + " done, " + bad + " failed.");
    }

    @Test void doesNothingTwiceUnlessAskedAndOnlyWhatChanged() throws IOException {
        run(plan(WhenThere.KEEP_BOTH, false, 0));
        AtomicInteger made = new AtomicInteger();
        FolderRun.Listener counting = new FolderRun.Listener() {
            @Override public void begun(FolderScan.Item item) { made.incrementAndGet(); }
        };
        FolderPlan plan = plan(WhenThere.KEEP_BOTH, false, 0);
        Decant.runFolder(plan, FolderScan.of(plan, Progress.SILENT), target, counting);
        assertThat(made.get()).as("only what failed is tried again").isEqualTo(bad);
        Files.setLastModifiedTime(source.resolve("year 1998/notice txt 0.txt"), FileTime.from(Instant.now()));
        Decant.runFolder(plan, FolderScan.of(plan, Progress.SILENT), target, counting);
        assertThat(made.get()).isEqualTo(2 * bad + 1);
        assertThat(results()).as("nothing is doubled").hasSize(good);
        FolderPlan other = new FolderPlan(plan.sources(), List.of(Map.entry("", Recipe.PLAIN.to(Target.ODT))));
        assertThat(Decant.runFolder(other, FolderScan.of(other, Progress.SILENT), target, FolderRun.Listener.NONE))
                .filteredOn(entry -> entry.state() == State.DONE).as("another recipe is new work").hasSize(good);
    }

    @Test void mindsWhatIsThereAlready() throws IOException {
        Path there = target.resolve("year 1998/notice docx 0.pdf");
        Files.createDirectories(there.getParent());
        Files.writeString(there, "somebody else's");
        List<Entry> kept = run(plan(WhenThere.KEEP_BOTH, false, 0));
        assertThat(Files.readString(there)).isEqualTo("somebody else's");
        assertThat(kept).filteredOn(entry -> entry.source().endsWith("notice docx 0.docx")).singleElement().satisfies(entry -> assertThat(entry.target())
                .isNotEqualTo(there).exists());
        List<Entry> skipped = run(plan(WhenThere.SKIP, true, 0));
        assertThat(skipped).filteredOn(entry -> entry.state() == State.SKIPPED).hasSize(good);
        assertThat(Files.readString(there)).isEqualTo("somebody else's");
        run(plan(WhenThere.REPLACE, true, 0));
        assertThat(Files.size(there)).isGreaterThan(1000);
    }

    @Test void givesTwoOriginalsOfOneNameTwoResultsAndLeavesItsOwnResultsOut() throws IOException {
        Path inside = source.resolve("results");
        Files.writeString(source.resolve("Same.txt"), "one");
        Files.writeString(source.resolve("same.md"), "two");
        Files.createSymbolicLink(source.resolve("loop"), source);
        FolderPlan plan = new FolderPlan(List.of(new FolderPlan.Source(source, inside, true, EnumSet.of(Kind.TEXT), List.of("[Ss]ame.*"))),
                List.of(Map.entry("", Recipe.PLAIN)));
        FolderScan scan = FolderScan.of(plan, Progress.SILENT);
        assertThat(scan.items()).extracting(item -> inside.relativize(item.target()).toString()).containsExactlyInAnyOrder("Same.pdf", "same (md).pdf");
        assertThat(Decant.runFolder(plan, scan, inside, FolderRun.Listener.NONE)).allMatch(entry -> entry.state() == State.DONE);
        FolderScan again = FolderScan.of(plan, Progress.SILENT);
        assertThat(again.items()).hasSize(2);
        assertThat(again.leftOut()).extracting(one -> source.relativize(one.file()).toString()).contains("results", "loop");
        List<Path> parts = new ArrayList<>();
        for (int i = 1; i <= 3; i++)
            parts.addAll(FolderScan.of(new FolderPlan(plan(WhenThere.SKIP, false, 0).sources(), plan.outputs(), WhenThere.SKIP, false, false,
                    Duration.ofMinutes(1), 0, i, 3), Progress.SILENT).items().stream().map(FolderScan.Item::source).toList());
        assertThat(parts).as("parts share all files out, none twice").doesNotHaveDuplicates()
                .hasSize(FolderScan.of(plan(WhenThere.SKIP, false, 0), Progress.SILENT).items().size());
    }

    @Test void goesOnWhereARunBrokeOffUnderTheNameItHadChosen() throws IOException {
        FolderPlan plan = plan(WhenThere.KEEP_BOTH, false, 0);
        FolderScan scan = FolderScan.of(plan, Progress.SILENT);
        FolderScan.Item first = scan.items().stream().filter(item -> item.source().toString().endsWith("notice docx 0.docx")).findFirst().orElseThrow();
        try (FolderJournal journal = FolderJournal.open(target)) {
            journal.begin(first, first.target());
            assertThatThrownBy(() -> FolderJournal.open(target)).isInstanceOf(DecantException.class).hasMessageContaining("Another run is at work");
        }
        // The result had taken its name, but the journal did not say so any more; and a line broke off.
        Files.createDirectories(first.target().getParent());
        Files.writeString(first.target(), "made, but not told");
        Path half = Files.writeString(LeftOvers.ofADeadProcess(target.resolve("year 1998")), "half");
        Path others = Files.writeString(LeftOvers.ofThisProcess(target.resolve("year 1998")), "being written");
        Files.writeString(target.resolve(".decant-journal.jsonl"), "{\"source\": \"cut of", StandardOpenOption.APPEND);
        run(plan);
        assertThat(results()).hasSize(good);
        assertThat(Files.size(first.target())).isGreaterThan(1000);
        assertThat(half).doesNotExist();
        assertThat(others).as("what a program that runs is writing is left to it").exists();
    }

    @Test void aRunThatGoesOnMayBreakOffAsWell() throws IOException {
        FolderPlan plan = plan(WhenThere.KEEP_BOTH, false, 0);
        FolderScan.Item first = FolderScan.of(plan, Progress.SILENT).items().stream()
                .filter(item -> item.source().toString().endsWith("notice docx 0.docx")).findFirst().orElseThrow();
        Path kept = target.resolve(".decant-journal.jsonl");
        long earlier = System.currentTimeMillis() - 20_000;
        try (FolderJournal journal = FolderJournal.open(target)) {
            journal.begin(first, first.target());
        }
        Files.writeString(kept, Files.readString(kept).replaceAll("\"when\":\\d+", "\"when\":" + earlier));
        Files.createDirectories(first.target().getParent());
        Files.writeString(first.target(), "made by the first, not told");
        Files.setLastModifiedTime(first.target(), FileTime.fromMillis(earlier + 1000));
        for (int i = 0; i < 2; i++) {
            try (FolderJournal journal = FolderJournal.open(target)) {
                assertThat(journal.brokenOff(first)).isEqualTo(first.target());
                journal.begin(first, first.target());
            }
        }
        run(plan);
        assertThat(results()).hasSize(good);
    }

    @Test void givesUpWhatHangsAndCanBeStoppedAndPaused() throws Exception {
        FolderPlan slow = new FolderPlan(plan(WhenThere.SKIP, false, 0).sources(), List.of(Map.entry("", Recipe.PLAIN)), WhenThere.SKIP, false, false,
                Duration.ofMillis(300), 0, 1, 1);
        FolderScan scan = FolderScan.of(slow, Progress.SILENT);
        FolderScan two = new FolderScan(scan.items().subList(0, 2), List.of(), scan.guard());
        FolderRun.Work hangs = (file, recipe, result, guard, score, seen, progress) -> {
            while (progress.goOn(0, 0, Message.said(""))) Thread.onSpinWait();
            throw new DecantException(DecantException.Kind.CANCELLED, Message.said("Stopped."));
        };
        try (FolderJournal journal = FolderJournal.open(target)) {
            assertThat(new FolderRun(slow, hangs, FolderRun.Listener.NONE).run(two, journal)).allSatisfy(entry -> assertThat(entry.words().get(0))
                    .startsWith("It was given up after"));
        }
        FolderPlan patient = new FolderPlan(slow.sources(), slow.outputs());
        FolderRun[] leaves = new FolderRun[1];
        leaves[0] = new FolderRun(patient, hangs, new FolderRun.Listener() {
            @Override public void begun(FolderScan.Item item) { two.items().forEach(one -> leaves[0].leaveOut(one.source())); }
        });
        try (FolderJournal journal = FolderJournal.open(target)) {
            assertThat(leaves[0].run(two, journal)).as("one changes one's mind").allSatisfy(entry -> assertThat(entry.words())
                    .containsExactly("It was left out by hand."));
        }
        FolderPlan plan = plan(WhenThere.SKIP, false, 0);
        FolderRun[] run = new FolderRun[1];
        run[0] = Decant.folderRun(plan, new FolderRun.Listener() {
            @Override public void ended(Entry entry, int done, int total) { if (done == 3) run[0].stop(); }
        });
        try (FolderJournal journal = FolderJournal.open(target)) {
            assertThat(run[0].run(FolderScan.of(plan, Progress.SILENT), journal).size()).isBetween(3, 12);
        }
        assertThat(run(plan)).as("the next run does the rest").filteredOn(entry -> entry.state() == State.DONE).hasSize(good);
    }

    @Test void scoresResultsAndWritesALogThatOthersRead() throws IOException {
        FolderPlan plan = new FolderPlan(List.of(new FolderPlan.Source(source, target, true, EnumSet.of(Kind.TEXT, Kind.PDF),
                List.of("notice docx*", "notice txt*", "broken.pdf"))), List.of(Map.entry("", Recipe.PLAIN)), WhenThere.SKIP, false, false,
                Duration.ofMinutes(2), 90, 1, 1);
        FolderScan scan = FolderScan.of(plan, Progress.SILENT);
        List<Entry> entries = Decant.runFolder(plan, scan, target, FolderRun.Listener.NONE);
        assertThat(entries).filteredOn(entry -> entry.state() == State.DONE).hasSize(8).allSatisfy(entry -> assertThat(entry.faith()).isBetween(90.0, 100.0));
        org.jsoup.nodes.Document html = Jsoup.parse(FolderLog.write(entries, scan, WHEN, folder.resolve("log.html")).toFile());
        assertThat(html.select("h2").eachText()).containsExactly("Text documents, 8", "PDFs, 1");
        assertThat(html.select("table").first().select("tbody tr")).hasSize(8);
        assertThat(html.select("a[href^=file]")).hasSize(8 * 2 + 1);
        JsonNode json = new ObjectMapper().readTree(FolderLog.write(entries, scan, WHEN, folder.resolve("log.json")).toFile());
        assertThat(json.path("files")).hasSize(9);
        assertThat(json.path("summary").asText()).isEqualTo("8 done, 1 failed.");
        List<String> csv = Files.readAllLines(FolderLog.write(entries, scan, WHEN, folder.resolve("log.csv")));
        assertThat(csv).hasSize(10).first().asString().startsWith("original,result,state");
        Document odt = Decant.open(FolderLog.write(entries, scan, WHEN, folder.resolve("log.odt"))).document();
        assertThat(odt.blocks()).filteredOn(block -> block instanceof Table).hasSize(2);
    }

    @Test void partsRunSideBySideAndOneMoreRunGathersWhatTheyDid() throws Exception {
        List<Map.Entry<String, Recipe>> outputs = List.of(Map.entry("", Recipe.PLAIN.to(Target.ODT)));
        List<FolderPlan.Source> sources = List.of(new FolderPlan.Source(source, target, true, EnumSet.of(Kind.TEXT), List.of("*.docx", "*.doc", "*.rtf")));
        List<Entry> all = IntStream.rangeClosed(1, 3).parallel().mapToObj(part -> {
            FolderPlan mine = new FolderPlan(sources, outputs, WhenThere.KEEP_BOTH, false, false, Duration.ofMinutes(1), 0, part, 3);
            return Decant.runFolder(mine, FolderScan.of(mine, Progress.SILENT), target, FolderRun.Listener.NONE);
        }).flatMap(List::stream).toList();
        FolderPlan whole = new FolderPlan(sources, outputs);
        FolderScan scan = FolderScan.of(whole, Progress.SILENT);
        assertThat(all).extracting(Entry::source).containsExactlyInAnyOrderElementsOf(scan.items().stream().map(FolderScan.Item::source).toList());
        long done = all.stream().filter(entry -> entry.state() == State.DONE).count();
        // Told by bytes, which no busy machine makes more of.
        assertThat(scan.expected(FolderJournal.known(target), 2).bytes()).as("only what failed is still to do").isLessThan(scan.expected(List.of(), 2)
                .bytes());

        // A part of the split at work keeps out what does the same files, and only that.
        try (FolderJournal second = FolderJournal.open(target, 2, 3)) {
            assertThat(second.entries()).hasSize(all.size());
            FolderJournal.open(target, 1, 3).close();
            assertThatThrownBy(() -> FolderJournal.open(target, 2, 3)).hasMessageContaining("Another run is at work");
            assertThatThrownBy(() -> FolderJournal.open(target, 1, 4)).hasMessageContaining("Another run is at work");
            assertThatThrownBy(() -> FolderJournal.open(target)).hasMessageContaining("Another run is at work");
        }
        AtomicInteger begun = new AtomicInteger();
        List<Entry> gathered = Decant.runFolder(whole, scan, target, new FolderRun.Listener() {
            @Override public void begun(FolderScan.Item item) { begun.incrementAndGet(); }
        });
        assertThat(gathered).hasSameSizeAs(all).filteredOn(entry -> entry.state() == State.DONE).hasSize((int) done);
        assertThat(begun.get()).as("only what failed is tried again").isEqualTo(all.size() - (int) done);
        try (Stream<Path> results = Files.walk(target)) {
            assertThat(results.filter(file -> file.toString().endsWith(".odt"))).hasSize((int) done);
        }
    }

    @Test void aTargetThatCannotBeWrittenIsToldOnEachLine() throws Exception {
        FolderPlan plan = new FolderPlan(List.of(new FolderPlan.Source(source, target, true, EnumSet.of(Kind.TEXT), List.of("*.txt"))),
                List.of(Map.entry("", Recipe.PLAIN.to(Target.ODT))));
        FolderScan scan = FolderScan.of(plan, Progress.SILENT);
        // A file stands where one of the folders of results has to be.
        Files.createDirectories(target);
        Files.writeString(target.resolve("year 1999"), "in the way");
        List<Entry> entries = Decant.runFolder(plan, scan, target, FolderRun.Listener.NONE);
        assertThat(entries).filteredOn(entry -> entry.state() == State.FAILED).singleElement().satisfies(entry -> {
            assertThat(entry.source().getParent()).hasFileName("year 1999");
            assertThat(entry.words().get(0)).doesNotContain("Exception").hasSizeGreaterThan(15);
        });
        assertThat(entries).filteredOn(entry -> entry.state() == State.DONE).hasSize(3);
        assertThat(target.resolve("year 1999")).hasContent("in the way");
    }

    @Test void opensProtectedFilesByThePasswordsGivenAndLocksResults() throws Exception {
        Recipe locks = Recipe.PLAIN.with(new Recipe.Locking(Protection.Strength.AES_256, EnumSet.of(Protection.Permission.PRINT)));
        FolderPlan plan = new FolderPlan(List.of(new FolderPlan.Source(source, target, true, EnumSet.of(Kind.TEXT),
                List.of("locked.docx", "notice docx 0.docx"))), List.of(Map.entry("", locks)), WhenThere.KEEP_BOTH, false, false, Duration.ofMinutes(2), 50,
                1, 1);
        List<Entry> entries;
        try (FolderJournal journal = FolderJournal.open(target)) {
            entries = Decant.folderRun(plan, List.of("pier", "harbour"), new Recipe.Passwords("quayside7", "master9"), FolderRun.Listener.NONE)
                    .run(FolderScan.of(plan, Progress.SILENT), journal);
        }
        assertThat(entries).hasSize(2).allSatisfy(entry -> {
            assertThat(entry.state()).isEqualTo(State.DONE);
            assertThat(entry.faith()).as("compared with its original, each opened by its own password").isGreaterThan(50);
            assertThatThrownBy(() -> Loader.loadPDF(entry.target().toFile())).isInstanceOf(InvalidPasswordException.class);
            try (PDDocument pdf = Loader.loadPDF(entry.target().toFile(), "quayside7")) {
                assertThat(pdf.getCurrentAccessPermission().canExtractContent()).isFalse();
            }
        });
        try (Stream<Path> kept = Files.walk(target)) {
            for (Path file : kept.filter(one -> one.getFileName().toString().startsWith(".decant")).toList())
                assertThat(Files.readString(file)).doesNotContain("harbour").doesNotContain("quayside7").doesNotContain("master9");
        }
    }

    /** Several hundred files of all kinds with twenty bad ones among them: each bad one is told on its line, all others are made, nothing hangs. */
    @Test void twentyBadFilesAmongOthersHarmNone() throws Exception {
        Map<String, byte[]> files = new LinkedHashMap<>();
        byte[] docx = Files.readAllBytes(source.resolve("year 1998/notice docx 0.docx"));
        byte[] doc = Files.readAllBytes(source.resolve("year 1998/notice doc 0.doc"));
        byte[] odt = Files.readAllBytes(source.resolve("year 1998/notice odt 0.odt"));
        Path open = folder.resolve("open.pdf");
        Decant.publish(HarbourNotice.document(), Recipe.PLAIN, open);
        byte[] pdf = Files.readAllBytes(open);
        Path shut = folder.resolve("shut.pdf");
        Decant.publish(new Order(Decant.layOut(HarbourNotice.document()),
                Recipe.PLAIN.with(new Recipe.Locking(Protection.Strength.AES_256, EnumSet.noneOf(Protection.Permission.class))),
                new Recipe.Passwords("tide", "ebb"), null), shut, Progress.SILENT);
        for (String ending : List.of("docx", "doc", "odt", "pdf")) files.put("empty." + ending, new byte[0]);
        files.put("cut.docx", Arrays.copyOf(docx, docx.length * 2 / 3));
        files.put("cut.doc", Arrays.copyOf(doc, 1000));
        files.put("cut.odt", Arrays.copyOf(odt, odt.length / 2));
        files.put("locked.docx", OfficeLock.locked(docx, "harbour"));
        files.put("locked.pdf", Files.readAllBytes(shut));
        files.put("program.docx", "MZ\0\0\1\2\3".getBytes(StandardCharsets.ISO_8859_1));
        files.put("program.pdf", "\0\1\2MZ\0\0\1\2\3".getBytes(StandardCharsets.ISO_8859_1));
        files.put("no pages.pdf", "%PDF-1.7\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>".getBytes(StandardCharsets.US_ASCII));
        files.put("loop.pdf", "%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Count 1/Kids[2 0 R]>>endobj\ntrailer<</Root 1 0 R>>"
                .getBytes(StandardCharsets.US_ASCII));
        files.put("bomb.docx", zip("word/document.xml", new byte[400_000_000], "[Content_Types].xml",
                ("<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\">"
                + "<Override PartName=\"/word/document.xml\" "
                + "ContentType=\"application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml\"/></Types>")
                .getBytes(StandardCharsets.UTF_8)));
        files.put("spy.odt", zip("mimetype", "application/vnd.oasis.opendocument.text".getBytes(StandardCharsets.US_ASCII), "content.xml",
                "<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/passwd\">]><x>&e;</x>".getBytes(StandardCharsets.US_ASCII)));
        files.put("archive.docx", zip("readme.txt", "nothing".getBytes(StandardCharsets.US_ASCII)));
        files.put("deep.rtf", ("{\\rtf1" + "{".repeat(2_000_000)).getBytes(StandardCharsets.US_ASCII));
        files.put("workbook.docx", zip("xl/workbook.xml", new byte[10]));
        files.put("picture.png", new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10, 0, 0});
        files.put("tree.html", ("<html>" + "<div>".repeat(300_000)).getBytes(StandardCharsets.US_ASCII));
        assertThat(files).hasSize(20);
        Path many = folder.resolve("Many");
        int whole = 0;
        for (Format format : KINDS) {
            Path one = source.resolve("year 1998/notice " + format.ending() + " 0." + format.ending());
            for (int i = 0; i < 14; i++, whole++)
                Files.copy(one, Files.createDirectories(many.resolve("drawer " + i % 8)).resolve("notice " + i + " " + format.ending() + "."
                        + format.ending()));
        }
        for (int i = 0; i < 10; i++, whole++) Files.write(many.resolve("drawer " + i % 8).resolve("report " + i + ".pdf"), pdf);
        int at = 0;
        for (Map.Entry<String, byte[]> bad : files.entrySet()) Files.write(many.resolve("drawer " + at++ % 8).resolve(bad.getKey()), bad.getValue());
        FolderPlan plan = new FolderPlan(List.of(new FolderPlan.Source(many, target, true, EnumSet.allOf(Kind.class), List.of())),
                List.of(Map.entry("", Recipe.PLAIN.to(Target.ODT))), WhenThere.KEEP_BOTH, false, false, Duration.ofMinutes(1), 0, 1, 1);
        List<Entry> entries = run(plan);
        assertThat(entries).hasSize(whole + 20);
        List<Entry> ill = entries.stream().filter(entry -> files.containsKey(entry.source().getFileName().toString())).toList();
        assertThat(ill).hasSize(20).allSatisfy(entry -> {
            // What can be read of a file may be made of it; all else is told in words a person understands.
            if (entry.state() == State.FAILED)
                assertThat(entry.words().get(0)).hasSizeGreaterThan(20).doesNotContain("Exception").doesNotContain("not foreseen").doesNotContain("root:");
        });
        assertThat(ill.stream().filter(entry -> entry.state() == State.FAILED).count()).isGreaterThanOrEqualTo(17);
        assertThat(entries.stream().filter(entry -> entry.state() == State.DONE && !files.containsKey(entry.source().getFileName().toString()))).hasSize(whole);
    }

    private static byte[] zip(Object... parts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < parts.length; i += 2) {
                zip.putNextEntry(new ZipEntry((String) parts[i]));
                zip.write((byte[]) parts[i + 1]);
            }
        }
        return out.toByteArray();
    }

    /**
     * A real disk that is full in the middle of a run (where the test may mount one): told on each line, nothing left over, and the run goes on once there is
     * room.
     */
    @Test void aDiskThatIsFullStopsNothingForGood() throws Exception {
        Files.createDirectories(target);
        assumeTrue(done("mount", "-t", "tmpfs", "-o", "size=400k", "tmpfs", target.toString()), "no disk can be mounted here");
        try {
            List<Entry> entries = run(plan(WhenThere.KEEP_BOTH, false, 0));
            List<Entry> full = entries.stream().filter(entry -> entry.words().stream().anyMatch(words -> words.contains("no room left"))).toList();
            assertThat(full).hasSizeBetween(3, good - 2);
            assertThat(entries).hasSize(good + bad);
            int made = results().size();
            assertThat(made).isEqualTo(good - full.size());
            try (Stream<Path> files = Files.walk(target)) {
                assertThat(files.filter(file -> file.toString().endsWith(".part"))).isEmpty();
            }
            assertThat(done("mount", "-o", "remount,size=20m", target.toString())).isTrue();
            List<Entry> again = run(plan(WhenThere.KEEP_BOTH, false, 0));
            assertThat(again).filteredOn(entry -> entry.state() == State.DONE).hasSize(good);
            assertThat(results()).as("nothing doubled").hasSize(good);
        } finally {
            assertThat(done("umount", target.toString())).isTrue();
        }
    }

    private static boolean done(String... command) throws InterruptedException {
        try {
            return new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor() == 0;
        } catch (IOException e) {
            return false;
        }
    }

    /** Another password is another wish: what an earlier run locked by the old one is made anew. */
    @Test void anotherPasswordLocksAnew() throws IOException {
        Path letters = Files.createDirectory(target.resolveSibling("letters"));
        Files.writeString(letters.resolve("letter.txt"), "A letter.");
        Path locked = target.resolveSibling("locked letters");
        Recipe recipe = Recipe.PLAIN.with(new Recipe.Locking(Protection.Strength.AES_256,
                EnumSet.allOf(Protection.Permission.class)));
        FolderPlan plan = new FolderPlan(List.of(new FolderPlan.Source(letters, locked, true, Set.of(Kind.TEXT), List.of())), List.of(Map.entry("", recipe)));
        for (String password : List.of("old one", "new one")) {
            try (FolderJournal journal = FolderJournal.open(locked)) {
                Decant.folderRun(plan, List.of(), new Recipe.Passwords(password, ""), FolderRun.Listener.NONE).run(FolderScan.of(plan, Progress.SILENT),
                        journal);
            }
            assertThat(Decant.open(locked.resolve("letter.pdf"), password, Progress.SILENT).document().blocks()).isNotEmpty();
        }
        assertThatThrownBy(() -> Decant.open(locked.resolve("letter.pdf"), "old one", Progress.SILENT)).isInstanceOf(DecantException.class);
        assertThat(locked.toFile().list((parent, name) -> name.endsWith(".pdf"))).containsExactly("letter.pdf");
    }
}
