package app.decant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.demo.HarbourNotice;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.folder.FolderJournal;
import app.decant.folder.FolderLog;
import app.decant.folder.FolderPlan.Kind;
import app.decant.folder.FolderPlan.WhenThere;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderRun;
import app.decant.folder.FolderScan;
import app.decant.folder.FolderWatch;
import app.decant.format.odf.OdfFormat;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.layout.PagedDocument;
import app.decant.outbox.MailOutbox;
import app.decant.outbox.PrintFolder;
import app.decant.publish.Delivery;
import app.decant.publish.Guard;
import app.decant.publish.Laid;
import app.decant.publish.Order;
import app.decant.publish.Output;
import app.decant.publish.PublishQueue;
import app.decant.publish.Receipt;
import app.decant.publish.ReceiptFile;
import app.decant.publish.Recipe.WhenPresent;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The first promise: whatever door is used, and by whatever name a file is reached, what a result is made from stays as it is. */
class OriginalsTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final Set<Kind> TEXT_AND_PDF = Set.of(Kind.TEXT, Kind.PDF);

    @TempDir private Path root;
    private Path desk;
    private Document document;
    private PagedDocument pages;

    /** A way to have something written. */
    @FunctionalInterface
    private interface Door { void through(Path source, Path target) throws IOException; }

    @BeforeEach void originals() throws IOException {
        System.setProperty("decant.home", root.resolve("home").toString());
        document = HarbourNotice.document();
        pages = Decant.layOut(document);
        desk = Files.createDirectory(root.resolve("desk"));
        Files.write(desk.resolve("letter.docx"), OoxmlFormat.DOCX.write(document, WHEN).bytes());
        Files.write(desk.resolve("letter.odt"), OdfFormat.ODT.write(document, WHEN).bytes());
        Decant.publish(document, Recipe.PLAIN, desk.resolve("letter.pdf"));
        Decant.publish(document, Recipe.PLAIN, desk.resolve("letter 1.pdf"));
    }

    private Map<String, String> state() throws IOException {
        Map<String, String> state = new TreeMap<>();
        try (Stream<Path> files = Files.list(desk)) {
            for (Path file : files.filter(Files::isRegularFile).toList())
                state.put(file.getFileName().toString(), Files.getLastModifiedTime(file) + " " + Arrays.hashCode(Files.readAllBytes(file)));
        }
        return state;
    }

    private Order order(Recipe recipe, Path source) {
        return new Order(pages, recipe.with(WhenPresent.REPLACE), Recipe.Passwords.NONE, source,
                Guard.NONE.and(List.of(desk.resolve("letter.pdf"), desk.resolve("letter 1.pdf"), desk.resolve("letter.odt"))));
    }

    private Map<String, Door> doors() {
        Map<String, Door> doors = new LinkedHashMap<>();
        doors.put("publish", (source, target) -> Decant.publish(order(Recipe.PLAIN.to(target(target)), source), target, Progress.SILENT));
        doors.put("also", (source, target) -> Decant.publish(List.of(new Output(order(Recipe.PLAIN.to(Target.RTF), source),
                target.resolveSibling("new.rtf")), new Output(order(Recipe.PLAIN.to(target(target)), source), target)), Progress.SILENT));
        doors.put("each page", (source, target) -> Decant.publish(order(Recipe.PLAIN.split("{name} {n}"), source), target.resolveSibling("letter.pdf"),
                Progress.SILENT));
        doors.put("letterhead", (source, target) -> Decant.publish(new Order(pages, Recipe.PLAIN.with(WhenPresent.REPLACE)
                .with(List.of(Laid.letterhead(desk.resolve("letter.pdf"))))), target.resolveSibling("letter.pdf"), Progress.SILENT));
        doors.put("queue", (source, target) -> {
            Decant.queue(document, "letter", source, null, List.of(new PublishQueue.Wish(Recipe.PLAIN.to(target(source)).with(WhenPresent.REPLACE),
                    target.resolveSibling(source.getFileName().toString()))), Delivery.NONE);
            Decant.publishWaiting(Decant.queue().all().get(0), Progress.SILENT);
        });
        doors.put("receipt", (source, target) -> {
            Receipt receipt = Decant.publish(order(Recipe.PLAIN, source), root.resolve("out.pdf"), Progress.SILENT).get(0);
            ReceiptFile.write(List.of(receipt), WHEN, target, Guard.NONE.and(source).and(target));
        });
        doors.put("mail", (source, target) -> {
            Path made = Decant.publish(order(Recipe.PLAIN, source), root.resolve("out.pdf"), Progress.SILENT).get(0).file();
            new MailOutbox(target.getParent()).put(new MailOutbox.Letter(List.of("office@ferries.example"), "letter", "", List.of(made)), WHEN);
        });
        doors.put("print", (source, target) -> new PrintFolder(target.getParent()).print(desk.resolve("letter.pdf"), null, PrintFolder.Job.PLAIN));
        for (WhenThere there : WhenThere.values()) {
            doors.put("folder, " + there, (source, target) -> run(new FolderPlan.Source(desk, target.getParent(), true, TEXT_AND_PDF, List.of()),
                    Recipe.PLAIN.to(target(target)), there, desk.resolve("log.html")));
        }
        doors.put("log", (source, target) -> run(new FolderPlan.Source(desk, root.resolve("results"), true, TEXT_AND_PDF, List.of()),
                Recipe.PLAIN.to(Target.TXT), WhenThere.REPLACE, target));
        doors.put("watch", (source, target) -> {
            FolderPlan plan = plan(new FolderPlan.Source(desk, target.getParent(), true, TEXT_AND_PDF, List.of()), Recipe.PLAIN.to(target(target)),
                    WhenThere.REPLACE);
            int[] looks = {0};
            new FolderWatch(plan, null, (asked, listener) -> Decant.folderRun(asked, listener)).run(target.getParent(), entry -> { }, () -> looks[0]++ < 2);
        });
        return doors;
    }

    private static Target target(Path file) { return Target.of(file.getFileName().toString().replaceAll(".*\\.", "")); }

    private static FolderPlan plan(FolderPlan.Source source, Recipe recipe, WhenThere there) {
        return new FolderPlan(List.of(source), List.of(Map.entry("", recipe)), there, true, false, Duration.ofMinutes(1), 0, 1, 1);
    }

    private static List<FolderJournal.Entry> run(FolderPlan.Source source, Recipe recipe, WhenThere there, Path log) {
        FolderPlan plan = plan(source, recipe, there);
        FolderScan scan = FolderScan.of(plan, Progress.SILENT);
        List<FolderJournal.Entry> entries = Decant.runFolder(plan, scan, source.target(), FolderRun.Listener.NONE);
        FolderLog.write(entries, scan, WHEN, log);
        return entries;
    }

    @Test void stayAsTheyAreThroughEveryDoorAndUnderEveryName() throws IOException {
        Path link = Files.createSymbolicLink(root.resolve("same desk"), desk);
        Path hard = Files.createDirectory(root.resolve("second names"));
        Path soft = Files.createDirectory(root.resolve("links"));
        for (String name : state().keySet()) {
            Files.createLink(hard.resolve(name), desk.resolve(name));
            Files.createSymbolicLink(soft.resolve(name), desk.resolve(name));
        }
        List<Path> ways = List.of(desk, link, desk.resolve("../desk"), hard, soft);
        Map<String, String> before = state();
        List<String> broken = new ArrayList<>();
        doors().forEach((name, door) -> {
            for (Path way : ways) {
                // Either file by its own name, one or the other by each further name.
                List<String> tried = way == desk ? List.of("letter.docx", "letter.pdf") : List.of(ways.indexOf(way) % 2 == 0 ? "letter.pdf" : "letter.docx");
                for (String file : tried) {
                    try {
                        door.through(desk.resolve("letter.docx"), way.resolve(file));
                    } catch (DecantException e) {
                        assertThat(e.getMessage()).as(name).endsWith(".");
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                    try {
                        Map<String, String> now = state();
                        now.keySet().retainAll(before.keySet());
                        if (!now.equals(before)) broken.add(name + " by " + way.getFileName() + "/" + file);
                        assertThat(broken).isEmpty();
                        clearAway(before.keySet());
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                }
            }
        });
        assertThat(Decant.queue().all()).isNotEmpty();
    }

    /** What a door has made beside the originals. */
    private void clearAway(Set<String> originals) throws IOException {
        try (Stream<Path> files = Files.list(desk)) {
            for (Path file : files.filter(one -> !originals.contains(one.getFileName().toString())).toList()) Files.deleteIfExists(file);
        }
    }

    @Test void aJournalIsBelievedOnlyForNamesThatThePlanItselfWouldGive() throws IOException {
        Path target = Files.createDirectory(root.resolve("results"));
        Path victim = Files.writeString(root.resolve("diary.pdf"), "not to be touched");
        Path named = Files.writeString(target.resolve("letter.txt"), "an older text of somebody's");
        Path source = desk.resolve("letter.docx");
        String begins = "{\"begins\":true,\"source\":\"%s\",\"output\":\"\",\"target\":\"%s\"}\n";
        Files.writeString(target.resolve(".decant-journal.jsonl"), begins.formatted(source, victim) + begins.formatted(desk.resolve("letter.odt"), source)
                + begins.formatted(desk.resolve("letter.pdf"), named));
        Map<String, String> before = state();
        List<FolderJournal.Entry> entries = run(new FolderPlan.Source(desk, target, true, TEXT_AND_PDF, List.of()), Recipe.PLAIN.to(Target.TXT),
                WhenThere.KEEP_BOTH, root.resolve("log.html"));
        assertThat(entries).allSatisfy(entry -> assertThat(entry.target().getParent()).isEqualTo(target));
        assertThat(victim).hasContent("not to be touched");
        assertThat(named).hasContent("an older text of somebody's");
        assertThat(state()).isEqualTo(before);
    }

    @Test void aJournalThatIsALinkIsNotWrittenThrough() throws IOException {
        for (boolean soft : new boolean[] {true, false}) {
            Path target = Files.createDirectory(root.resolve("results " + soft));
            Path victim = Files.writeString(root.resolve("diary " + soft), "line one\nand a line that is not ended");
            Path journal = target.resolve(".decant-journal.jsonl");
            if (soft) Files.createSymbolicLink(journal, victim);
            else Files.createLink(journal, victim);
            assertThatThrownBy(() -> FolderJournal.open(target)).isInstanceOf(DecantException.class).hasMessageContaining("No journal can be kept");
            assertThat(victim).hasContent("line one\nand a line that is not ended");
        }
    }

    @Test void resultsGoThroughNoLinkOutOfTheTarget() throws IOException {
        Path target = Files.createDirectory(root.resolve("results"));
        Path elsewhere = Files.createDirectory(root.resolve("elsewhere"));
        Files.createSymbolicLink(target.resolve("below"), elsewhere);
        Files.copy(desk.resolve("letter.docx"), Files.createDirectory(desk.resolve("below")).resolve("note.docx"));
        List<FolderJournal.Entry> entries = run(new FolderPlan.Source(desk, target, true, TEXT_AND_PDF, List.of()), Recipe.PLAIN.to(Target.TXT),
                WhenThere.REPLACE, root.resolve("log.html"));
        assertThat(elsewhere).isEmptyDirectory();
        assertThat(entries).filteredOn(entry -> entry.source().endsWith("note.docx")).singleElement().satisfies(entry -> assertThat(entry.words().get(0))
                .contains("leads out of the target folder"));
        assertThat(target.resolve("letter.txt")).exists();
    }

    @Test void aResultThatSomebodyChangedIsTheirsFromThenOn() throws IOException {
        Path target = root.resolve("results");
        FolderPlan.Source source = new FolderPlan.Source(desk, target, true, Set.of(Kind.PDF), List.of("letter.pdf"));
        run(source, Recipe.PLAIN.to(Target.TXT), WhenThere.KEEP_BOTH, root.resolve("log.html"));
        Files.writeString(target.resolve("letter.txt"), "and a line of mine", StandardOpenOption.APPEND);
        run(source, Recipe.PLAIN.to(Target.TXT), WhenThere.KEEP_BOTH, root.resolve("log.html"));
        assertThat(target.resolve("letter.txt")).content().endsWith("and a line of mine");
        assertThat(target.resolve("letter 2.txt")).exists();
    }
}
