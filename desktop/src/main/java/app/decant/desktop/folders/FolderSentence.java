package app.decant.desktop.folders;

import app.decant.Decant;
import app.decant.desktop.part.PhraseCard;
import app.decant.desktop.part.Sentence;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.document.DecantException;
import app.decant.folder.FolderPlan.Kind;
import app.decant.folder.FolderPlan.WhenThere;
import app.decant.folder.FolderPlan;
import app.decant.publish.Recipe;
import app.decant.publish.Recipes;
import app.decant.publish.Target;
import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.stage.DirectoryChooser;

/** The sentence of the room for folders: what is taken, what becomes of it and where. Each phrase is a setting of the plan. */
public final class FolderSentence {
    private final Window window;
    private final Runnable changed;
    private final Sentence sentence = new Sentence();
    private Set<Kind> kinds = EnumSet.of(Kind.TEXT, Kind.PDF);
    private List<Path> from;
    private boolean watching;
    private String doneInto;
    private Path into;
    private Path templatesInto;
    private boolean below = true;
    private String makes = Target.PDF.ending();
    private WhenThere there = WhenThere.KEEP_BOTH;
    private double faith;
    private String log = "html";

    /** @param changed hears that another plan is wished for */
    FolderSentence(Window window, Runnable changed) {
        this.window = window;
        this.changed = changed;
        from = window.settings().folders("folderFrom");
        into = window.settings().folders("folderInto").stream().findFirst().orElse(null);
        say();
    }

    Node node() { return sentence.node(); }

    /** The ending of the log. */
    String log() { return log; }

    /** Whether it goes on, with what comes into the folders. */
    boolean isWatching() { return watching; }

    /** The name of the folder that done sources go into, or null. */
    String doneInto() { return doneInto; }

    /** Sets where files come from and go to. */
    void folders(List<Path> sources, Path target) {
        from = List.copyOf(sources);
        into = target;
        window.settings().set("folderFrom", from.stream().map(Path::toString).collect(Collectors.joining(File.pathSeparator)));
        if (target != null) window.settings().set("folderInto", target.toString());
        window.settings().save();
        build();
    }

    /** Sets where files come from. */
    public void from(Path source) { folders(List.of(source), into); }

    /** Takes one more folder. */
    void alsoFrom(Path source) { if (!from.contains(source)) folders(Stream.concat(from.stream(), Stream.of(source)).toList(), into); }

    /** Folders to begin with where none were ever chosen. */
    public void suggest(Path source, Path target) {
        if (!from.isEmpty() || into != null) return;
        from = List.of(source);
        into = target;
        build();
    }

    private void build() {
        say();
        changed.run();
    }

    private void say() {
        sentence.begin();
        sentence.say(Words.of("folders.take") + " ").phrase("folder-kinds", kindWords(), this::kindsCard);
        sentence.say(" " + Words.of("folders.from") + " ").phrase("folder-from", from.isEmpty() ? Words.of("folders.choose") : from.size() == 1
                ? name(from.get(0)) : Words.of("folders.more", name(from.get(0)), from.size() - 1), this::fromCard);
        sentence.say(", ").phrase("folder-below", Words.of(below ? "folders.below" : "folders.flat"), this::belowCard);
        sentence.say(", " + Words.of("folders.make") + " ").phrase("folder-makes", makesWords(), this::makesCard);
        sentence.say(" " + Words.of("folders.in") + " ").phrase("folder-into", into == null ? Words.of("folders.choose") : name(into),
                card -> folderCard(card, "folder-into", into, picked -> folders(from, picked)));
        if (kinds.contains(Kind.TEMPLATE) && kinds.size() > 1)
            sentence.say(", " + Words.of("folders.templates") + " ").phrase("folder-templates", templatesInto == null ? Words.of("folders.templates.same")
                    : name(templatesInto), this::templatesCard);
        sentence.say(". " + Words.of("folders.there") + " ").phrase("folder-there", Words.of("folders.there." + there.name().toLowerCase(Locale.ROOT)),
                this::thereCard);
        sentence.say(". ").phrase("folder-faith", faith == 0 ? Words.of("folders.faith.none") : Words.of("folders.faith.below", Math.round(faith)),
                this::faithCard);
        sentence.say(". ").phrase("folder-watch", Words.of(!watching ? "folders.once" : doneInto == null ? "folders.watch" : "folders.watch.done"),
                this::watchCard);
        sentence.say(". " + Words.of("folders.log") + " ").phrase("folder-log", Words.of("folders.log." + log), this::logCard);
        sentence.say(".").end();
    }

    private String kindWords() {
        List<String> words = kinds.stream().map(Kind::words).toList();
        String all = String.join(", ", words.subList(0, words.size() - 1));
        return all.isEmpty() ? words.get(0) : all + Words.of("folders.and") + words.get(words.size() - 1);
    }

    private static String name(Path folder) { return folder.getFileName() == null ? folder.toString() : folder.getFileName().toString(); }

    private String makesWords() { return Target.of(makes) != null ? Words.of("folders.makes", Target.of(makes).words()) : Words.of("also.recipe", makes); }

    private void kindsCard(PhraseCard card) {
        card.title(Words.of("folders.kinds"));
        Set<Kind> ticked = EnumSet.copyOf(kinds);
        for (Kind kind : Kind.values()) {
            card.toggle(kind.words(), "", ticked.contains(kind), on -> {
                if (on) ticked.add(kind);
                else ticked.remove(kind);
            });
        }
        card.done(Words.of("card.take"), () -> {
            if (ticked.isEmpty()) return Words.of("folders.kinds.none");
            kinds = ticked;
            build();
            return null;
        });
    }

    private void templatesCard(PhraseCard card) {
        card.choice(Words.of("folders.templates.same"), "", templatesInto == null, () -> templates(null));
        folderCard(card, "folder-templates", templatesInto, this::templates);
    }

    private void templates(Path target) {
        templatesInto = target;
        build();
    }

    private void fromCard(PhraseCard card) {
        folderCard(card, "folder-from", from.isEmpty() ? null : from.get(0), this::from);
        if (from.isEmpty()) return;
        card.note(Words.of("folders.several"));
        for (Path one : from) {
            if (from.size() > 1) card.choice(Words.of("folders.without", name(one)), one.toString(), false,
                    () -> folders(from.stream().filter(other -> !other.equals(one)).toList(), into));
        }
        TextField more = card.field("folder-also", "", Words.of("folders.also"));
        card.accept(more, text -> {
            Path folder = Path.of(text.trim()).toAbsolutePath().normalize();
            if (text.isBlank() || !Files.isDirectory(folder)) return Words.of("folders.path.wrong");
            alsoFrom(folder);
            return null;
        });
        card.choice(Words.of("folders.also.choose"), "", false, () -> {
            DirectoryChooser chooser = new DirectoryChooser();
            File picked = chooser.showDialog(window.stage());
            if (picked != null) alsoFrom(picked.toPath());
        });
    }

    private void watchCard(PhraseCard card) {
        card.title(Words.of("folders.watching"));
        watchChoice(card, "folders.once", false, null);
        watchChoice(card, "folders.watch", true, null);
        watchChoice(card, "folders.watch.done", true, Words.of("folders.done.name"));
        card.note(Words.of("folders.watch.note"));
    }

    private void watchChoice(PhraseCard card, String key, boolean stays, String moved) {
        card.choice(Words.of(key), "", watching == stays && Objects.equals(doneInto, moved), () -> {
            watching = stays;
            doneInto = moved;
            build();
        });
    }

    private void folderCard(PhraseCard card, String id, Path now, Consumer<Path> chosen) {
        boolean source = id.equals("folder-from");
        card.title(Words.of(source ? "folders.source" : "folders.target"));
        TextField field = card.field(id, now == null ? "" : now.toString(), Words.of("folders.path"));
        card.accept(field, text -> {
            Path folder = Path.of(text.trim()).toAbsolutePath().normalize();
            if (text.isBlank() || source && !Files.isDirectory(folder)) return Words.of("folders.path.wrong");
            chosen.accept(folder);
            return null;
        });
        card.choice(Words.of("folder.other"), "", false, () -> {
            DirectoryChooser chooser = new DirectoryChooser();
            if (now != null && Files.isDirectory(now)) chooser.setInitialDirectory(now.toFile());
            File picked = chooser.showDialog(window.stage());
            if (picked != null) chosen.accept(picked.toPath());
        });
    }

    private void belowCard(PhraseCard card) {
        card.title(Words.of("folders.depth"));
        for (boolean one : new boolean[] {true, false}) {
            card.choice(Words.of(one ? "folders.below" : "folders.flat"), "", below == one, () -> {
                below = one;
                build();
            });
        }
    }

    private void makesCard(PhraseCard card) {
        card.title(Words.of("card.what"));
        for (Target target : Stream.concat(Target.values().stream(), Target.sheets().stream()).toList()) {
            if (target == Target.DOTX || target == Target.DOT || target == Target.OTT) continue;
            card.choice(Words.of("target." + target.ending()), Words.of("target." + target.ending() + ".about"), makes.equals(target.ending()), () -> {
                makes = target.ending();
                build();
            });
        }
        TextField field = card.field("folder-recipe", Target.of(makes) == null ? makes : "", Words.of("folders.recipe"));
        card.accept(field, text -> {
            try {
                recipes().find(text.trim());
                makes = text.trim();
                build();
                return null;
            } catch (DecantException e) {
                return e.getMessage();
            }
        });
    }

    private static Recipes recipes() { return new Recipes(Decant.home().resolve("recipes")); }

    private void thereCard(PhraseCard card) {
        card.title(Words.of("card.present"));
        for (WhenThere one : WhenThere.values()) {
            card.choice(Words.of("folders.there." + one.name().toLowerCase(Locale.ROOT)), "", there == one, () -> {
                there = one;
                build();
            });
        }
    }

    private void faithCard(PhraseCard card) {
        card.title(Words.of("folders.faith"));
        for (double one : new double[] {0, 80, 90, 95}) {
            card.choice(one == 0 ? Words.of("folders.faith.none") : Words.of("folders.faith.below", Math.round(one)), one == 0
                    ? Words.of("folders.faith.quick") : "", faith == one, () -> apartBelow(one));
        }
    }

    /** Sets apart what scores below this; 0 compares nothing. */
    public void apartBelow(double score) {
        faith = score;
        build();
    }

    private void logCard(PhraseCard card) {
        card.title(Words.of("folders.log.title"));
        for (String one : List.of("html", "odt", "csv", "json")) {
            card.choice(Words.of("folders.log." + one), "", log.equals(one), () -> {
                log = one;
                build();
            });
        }
    }

    /** Where the journal of a run is kept. */
    Path journals() { return into; }

    private Path beneath(Path target, Path source) {
        if (from.size() == 1) return target;
        // Two folders of one name are told apart by number.
        long before = from.subList(0, from.indexOf(source)).stream().filter(one -> name(one).equalsIgnoreCase(name(source))).count();
        return target.resolve(before == 0 ? name(source) : name(source) + " " + (before + 1));
    }

    /** The plan, or null while folders are still to be chosen. */
    FolderPlan plan() {
        if (from.isEmpty() || into == null) return null;
        Recipe recipe = Target.of(makes) != null ? Recipe.PLAIN.to(Target.of(makes)) : recipes().find(makes);
        List<FolderPlan.Source> sources = new ArrayList<>();
        Set<Kind> others = EnumSet.copyOf(kinds);
        boolean apart = templatesInto != null && kinds.size() > 1 && others.remove(Kind.TEMPLATE);
        for (Path one : from) {
            // Several folders stay apart in the target, each under its own name.
            sources.add(new FolderPlan.Source(one, beneath(into, one), below, others, List.of()));
            if (apart) sources.add(new FolderPlan.Source(one, beneath(templatesInto, one), below, EnumSet.of(Kind.TEMPLATE), List.of()));
        }
        return new FolderPlan(sources, List.of(Map.entry("", recipe)), there, false, false, Duration.ofMinutes(10), faith, 1, 1);
    }
}
