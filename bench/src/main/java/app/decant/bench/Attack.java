package app.decant.bench;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.demo.FaresWorkbook;
import app.decant.demo.HarbourNotice;
import app.decant.demo.PetRules;
import app.decant.document.Block;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.edit.Search;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.folder.FolderJournal;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderRun;
import app.decant.folder.FolderScan;
import app.decant.format.Formats;
import app.decant.format.Taken;
import app.decant.format.sheet.SheetFormat;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.publish.Delivery;
import app.decant.publish.FactsRule;
import app.decant.publish.Guard;
import app.decant.publish.Laid;
import app.decant.publish.Order;
import app.decant.publish.PageRange;
import app.decant.publish.PublishQueue;
import app.decant.publish.Recipe.WhenPresent;
import app.decant.publish.Recipe;
import app.decant.publish.RecipeFile;
import app.decant.publish.Target;
import app.decant.publish.TimeLimit;
import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.slf4j.LoggerFactory;

/**
 * Attacks the core with spoiled files of every format and with spoiled journals, recipes and queues, and counts how each ended: made, or refused in words.
 * An error nobody foresaw, a file that takes too long, or anything changed outside of the target is told and makes the program fail.
 */
public final class Attack {
    private static final Duration LIMIT = Duration.ofSeconds(30);

    private final Path root;
    private final Random random;
    private final Mutation mutation;
    private final Map<String, Map<String, Integer>> counts = new TreeMap<>();
    private final List<String> broken = new ArrayList<>();

    private Attack(Path root, long seed) {
        this.root = root;
        random = new Random(seed);
        mutation = new Mutation(random);
    }

    /** @param arguments how many files, and the seed */
    public static void main(String[] arguments) throws IOException {
        int count = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 2000;
        long seed = arguments.length > 1 ? Long.parseLong(arguments[1]) : 1;
        Path root = Files.createTempDirectory("decant-attack");
        System.setProperty("decant.home", root.resolve("home").toString());
        // What libraries say of spoiled files is of no interest here.
        ((Logger) LoggerFactory.getLogger(Logger.ROOT_LOGGER_NAME)).setLevel(Level.OFF);
        Attack attack = new Attack(root, seed);
        attack.run(count);
        attack.tell();
        System.exit(attack.broken.isEmpty() ? 0 : 1);
    }

    private void run(int count) throws IOException {
        Map<String, byte[]> seeds = seeds();
        Path outside = Files.createDirectories(root.resolve("outside"));
        for (String name : List.of("diary.pdf", "diary.txt", "letter.docx")) Files.writeString(outside.resolve(name), "not to be touched: " + name);
        Map<String, Integer> before = state(outside);
        List<String> names = new ArrayList<>(seeds.keySet());
        for (int i = 0; i < count; i++) {
            int kind = random.nextInt(10);
            if (kind < 5) file(names.get(i % names.size()), seeds, i);
            else if (kind < 7) kept(seeds.get(Target.PDF.ending()), i);
            else if (kind == 7) recipe(i);
            else if (kind == 8) journal(i, outside);
            else queue(i, outside);
            if (!state(outside).equals(before)) {
                broken.add("number " + i + ": something outside of the target was changed");
                before = state(outside);
            }
        }
    }

    private Map<String, byte[]> seeds() throws IOException {
        Map<String, byte[]> seeds = new LinkedHashMap<>();
        Document document = withAll();
        for (Target target : Target.values())
            seeds.put(target.ending(), Files.readAllBytes(Decant.publish(document, Recipe.PLAIN.to(target), root.resolve("seeds/seed." + target.ending()))
                    .file()));
        for (Target target : Target.sheets())
            seeds.put(target.ending(), ((SheetFormat) target.format()).write(FaresWorkbook.workbook(), Instant.EPOCH).bytes());
        return seeds;
    }

    /** A document of all kinds of matter: also what people changed and remarked, and places to be filled in. */
    private static Document withAll() {
        Document notice = HarbourNotice.document();
        List<Block> blocks = new ArrayList<>(notice.sections().get(0).blocks());
        blocks.addAll(PetRules.document().sections().get(0).blocks());
        List<Inline> places = new ArrayList<>();
        for (FormField.Kind kind : FormField.Kind.values()) {
            FormField field = new FormField(kind.ordinal(), kind, kind.ordinal() % 2 == 1, "place", List.of("one", "two"), null);
            places.add(new Inline.Text(kind == FormField.Kind.TICK ? FormField.TICKED : "one", Look.of(TextProperty.FORM, field)));
        }
        blocks.add(Paragraph.of("").withInlines(places));
        List<Section> sections = new ArrayList<>(notice.sections());
        sections.set(0, sections.get(0).withBlocks(blocks));
        return notice.withSections(sections);
    }

    private static Map<String, Integer> state(Path folder) throws IOException {
        Map<String, Integer> state = new TreeMap<>();
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) state.put(file.toString(), Arrays.hashCode(Files.readAllBytes(file)));
        }
        return state;
    }

    @FunctionalInterface private interface Doing { void run(Guard.Gate gate, Progress progress) throws IOException; }

    /** Does something, and counts how it ended. */
    private void attempt(String kind, int number, Doing doing) {
        String ended = "made";
        try {
            TimeLimit.run(LIMIT, Progress.SILENT, (gate, progress) -> {
                try {
                    doing.run(gate, progress);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
                return null;
            });
        } catch (DecantException e) {
            ended = "refused in words";
            if (e.kind() == Kind.UNFORESEEN || e.kind() == Kind.GIVEN_UP) {
                ended = e.kind() == Kind.GIVEN_UP ? "took too long" : "not foreseen";
                Throwable cause = e.getCause();
                broken.add(kind + ", number " + number + ": " + (e.kind() == Kind.GIVEN_UP ? e.getMessage() : cause + " "
                        + Arrays.stream(cause.getStackTrace()).limit(6).toList()));
            }
        }
        counts.computeIfAbsent(kind, key -> new TreeMap<>()).merge(ended, 1, Integer::sum);
    }

    private void file(String ending, Map<String, byte[]> seeds, int number) throws IOException {
        Path source = Files.write(Files.createDirectories(root.resolve("sources")).resolve("file " + number + "." + ending), mutation.of(seeds.get(ending)));
        Target target = Target.values().get(random.nextInt(Target.values().size()));
        byte[] kept = Files.readAllBytes(source);
        boolean sheets = Formats.called(ending) instanceof SheetFormat && random.nextInt(4) > 0;
        Target other = Target.sheets().get(random.nextInt(Target.sheets().size()));
        attempt("." + ending, number, (gate, progress) -> {
            if (sheets) {
                Recipe recipe = Recipe.PLAIN.to(number % 2 == 0 ? Target.PDF : other).with(WhenPresent.REPLACE);
                Order order = new Order(new Intake(source, null).pages(recipe, progress), recipe, Recipe.Passwords.NONE, source, Guard.NONE.through(gate));
                Decant.publish(order, root.resolve("target").resolve("file " + number + "." + recipe.target().ending()), progress);
                return;
            }
            Taken taken = Decant.open(source, null, progress);
            Order order = new Order(Decant.layOut(taken.document(), progress), Recipe.PLAIN.to(target).with(WhenPresent.REPLACE), Recipe.Passwords.NONE,
                    source, Guard.NONE.through(gate));
            Decant.publish(order, root.resolve("target").resolve("file " + number + "." + target.ending()), progress);
        });
        if (!Arrays.equals(kept, Files.readAllBytes(source))) broken.add("." + ending + ", number " + number + ": the original was changed");
        Files.delete(source);
    }

    /** A spoiled PDF that is to stay itself, under choices that each change something; every other time with a word corrected. */
    private void kept(byte[] seed, int number) throws IOException {
        Path source = Files.write(Files.createDirectories(root.resolve("sources")).resolve("kept " + number + ".pdf"), mutation.of(seed));
        PdfStyle[] styles = {PdfStyle.PLAIN, PdfStyle.PLAIN.linearized(true), PdfStyle.PLAIN.compressed(false), PdfStyle.PLAIN.with(new Pictures(50, 72)),
                PdfStyle.PLAIN.tagged(false), PdfStyle.PLAIN.with(new PdfChoices.Bookmarks(1, 1, 1)),
            PdfStyle.PLAIN.with(PdfChoices.Fonts.WHOLE), PdfStyle.PLAIN.with(Standard.A_2B), PdfStyle.PLAIN.with(Standard.A_2A_UA_1)};
        FactsRule titled = new FactsRule(false, "A title", null, null, null, null);
        Recipe recipe = Recipe.PLAIN.with(titled).with(styles[random.nextInt(styles.length)]).with(WhenPresent.REPLACE);
        if (random.nextBoolean()) recipe = recipe.of(new PageRange("odd"));
        if (random.nextBoolean()) recipe = recipe.with(List.of(Laid.stamp("Copy {page}", Overlay.Place.BOTTOM)));
        if (random.nextBoolean()) recipe = recipe.with(new FactsRule(random.nextBoolean(), "Another title", null, null, null, null));
        Recipe wished = recipe;
        boolean corrects = random.nextBoolean();
        byte[] before = Files.readAllBytes(source);
        attempt(corrects ? "corrected PDFs" : "kept PDFs", number, (gate, progress) -> {
            Intake intake = new Intake(source, null);
            if (corrects) {
                Taken taken = Decant.open(source, null, progress);
                List<TextSelection> found = Search.all(taken.document(), "harbour", true);
                if (found.isEmpty()) return;
                String words = number % 3 == 0 ? "quayside" : "quayside, by the pier where the old ferry lies and the new one will, ".repeat(number % 7 + 1);
                Document now = Typing.type(taken.document(), found.get(number % found.size()), words, null).after();
                intake = Intake.revised(source, null, taken, Decant.layOut(now, progress), Intake.fingerprint(source));
            }
            Decant.publish(new Order(intake.pages(wished, progress), wished, Recipe.Passwords.NONE, source, Guard.NONE.through(gate)),
                    root.resolve("target").resolve("kept " + number + ".pdf"), progress);
        });
        if (!Arrays.equals(before, Files.readAllBytes(source))) broken.add("kept PDFs, number " + number + ": the original was changed");
        Files.delete(source);
    }

    private void recipe(int number) throws IOException {
        String seed = RecipeFile.write(Recipe.PLAIN);
        String spoiled = new String(mutation.of(seed.getBytes(StandardCharsets.UTF_8)), StandardCharsets.UTF_8);
        attempt("recipes", number, (gate, progress) -> RecipeFile.read(spoiled, "The recipe"));
    }

    private void journal(int number, Path outside) throws IOException {
        Path source = Files.createDirectories(root.resolve("journals/" + number + "/from"));
        Path target = Files.createDirectories(root.resolve("journals/" + number + "/to"));
        Files.writeString(source.resolve("letter.txt"), "A letter.");
        Path[] places = {outside.resolve("diary.txt"), outside.resolve("letter.docx"), source.resolve("letter.txt"), target.resolve("letter.rtf"),
                target.resolve("../letter.rtf"), Path.of("/etc/hostname")};
        StringBuilder lines = new StringBuilder();
        for (int i = 1 + random.nextInt(4); i > 0; i--) {
            lines.append("{\"begins\":").append(random.nextBoolean()).append(",\"source\":\"").append(source.resolve("letter.txt"))
                    .append("\",\"output\":\"\",\"target\":\"").append(places[random.nextInt(places.length)])
                    .append("\",\"state\":\"done\",\"bytes\":9,\"changed\":0,\"recipe\":\"x\",\"when\":").append(random.nextInt(3)).append("}\n");
        }
        byte[] bytes = random.nextBoolean() ? lines.toString().getBytes(StandardCharsets.UTF_8)
                : mutation.of(lines.toString().getBytes(StandardCharsets.UTF_8));
        Files.write(target.resolve(".decant-journal.jsonl"), bytes);
        FolderPlan.Source from = new FolderPlan.Source(source, target, true, Set.of(FolderPlan.Kind.TEXT), List.of());
        FolderPlan.WhenThere[] rules = FolderPlan.WhenThere.values();
        FolderPlan plan = new FolderPlan(List.of(from), List.of(Map.entry("", Recipe.PLAIN.to(Target.RTF))), rules[random.nextInt(rules.length)],
                random.nextBoolean(), false, LIMIT, 0, 1, 1);
        attempt("journals", number, (gate, progress) -> {
            List<FolderJournal.Entry> entries = Decant.runFolder(plan, FolderScan.of(plan, progress), target, FolderRun.Listener.NONE);
            for (FolderJournal.Entry entry : entries) if (!entry.target().startsWith(target)) throw new IllegalStateException("A result at " + entry.target());
        });
        if (!Files.readString(source.resolve("letter.txt")).equals("A letter.")) broken.add("journals, number " + number + ": the original was changed");
    }

    private void queue(int number, Path outside) throws IOException {
        for (PublishQueue.Waiting old : Decant.queue().all()) Decant.queue().remove(old);
        PublishQueue.Waiting waiting = Decant.queue(HarbourNotice.document(), "letter", outside.resolve("letter.docx"), null,
                List.of(new PublishQueue.Wish(Recipe.PLAIN.to(Target.TXT).with(WhenPresent.REPLACE), root.resolve("target/queue.txt"))), Delivery.NONE);
        Path wish = waiting.place().resolve(random.nextInt(4) == 0 ? "document.decant" : "wish.json");
        byte[] spoiled = mutation.of(Files.readAllBytes(wish));
        // Where a wish goes is the user's own word; here it stays in the target.
        if (wish.toString().endsWith(".json") && !new String(spoiled, StandardCharsets.UTF_8).contains(root.resolve("target").toString())) return;
        Files.write(wish, spoiled);
        attempt("queues", number, (gate, progress) -> {
            for (PublishQueue.Waiting one : Decant.queue().all()) Decant.publishWaiting(one, progress);
        });
    }

    private void tell() {
        int all = counts.values().stream().flatMap(some -> some.values().stream()).mapToInt(Integer::intValue).sum();
        System.out.println(all + " attacks");
        counts.forEach((kind, some) -> System.out.println("  " + kind + "  " + some));
        broken.forEach(line -> System.out.println("BROKEN " + line));
        System.out.println(broken.isEmpty() ? "No internal error, no hang, nothing outside the target written." : broken.size() + " broken.");
    }
}
