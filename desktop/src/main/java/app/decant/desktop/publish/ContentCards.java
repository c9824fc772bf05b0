package app.decant.desktop.publish;

import app.decant.desktop.part.PhraseCard;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.ReceiptView;
import app.decant.desktop.station.Window;
import app.decant.document.Colour;
import app.decant.document.Facts;
import app.decant.font.FontCatalogue;
import app.decant.format.text.PlainText;
import app.decant.pdf.Dates;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.publish.FactsRule;
import app.decant.publish.Laid;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.File;
import java.nio.charset.Charset;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.stage.FileChooser;

/** The phrases of a publication that say what a PDF holds: bookmarks, fonts, links, facts, what is laid on its pages. */
public final class ContentCards extends RecipeCards {
    /** The encodings that are offered; recipes may name any other. */
    public static final List<String> LETTERS = List.of("UTF-8", "UTF-16", "windows-1252", "windows-1250", "windows-1251", "windows-1253", "IBM850");

    ContentCards(Window window, Supplier<Recipe> recipe, Consumer<Recipe> set) { super(window, recipe, set); }

    String bookmarkWords() {
        PdfChoices.Bookmarks marks = now().style().bookmarks();
        if (keeps(PdfStyle::bookmarks) && window.desk().source().get().bookmarked()) return Words.of("keep.bookmarks");
        if (!marks.any()) return Words.of("bookmarks.none");
        if (marks.from() == 0) return Words.of("bookmarks.places");
        return marks.from() == marks.to() ? Words.of("bookmarks.level", marks.from()) : Words.of("bookmarks.levels", marks.from(), marks.to());
    }

    void bookmarksCard(PhraseCard card) {
        card.title(Words.of("card.bookmarks"));
        PdfChoices.Bookmarks kept = now().style().bookmarks();
        PdfChoices.Bookmarks plain = PdfStyle.PLAIN.bookmarks();
        boolean own = window.desk().source().get() != null && window.desk().source().get().bookmarked();
        if (own) card.choice(Words.of("keep.bookmarks"), "", keeps(PdfStyle::bookmarks), () -> set.accept(now().with(plain)));
        for (int level = 1; level <= 4; level++) {
            int to = level;
            // Recipes that say nothing of bookmarks leave a file its own.
            if (own && kept.levels(1, to, 1).equals(plain)) continue;
            PdfChoices.Bookmarks marks = kept.levels(1, to, 1);
            long count = window.desk().pages().get().outline().headings().stream().filter(heading -> marks.includes(heading.level())).count();
            card.choice(to == 1 ? Words.of("bookmarks.level", 1) : Words.of("bookmarks.levels", 1, to), Words.of("headings", (int) count), now().style()
                    .bookmarks().any() && now().style().bookmarks().to() == to, () -> set.accept(now().with(marks)));
        }
        card.choice(Words.of("bookmarks.none"), "", !now().style().bookmarks().any(), () -> set.accept(now().with(PdfChoices.Bookmarks.NONE)));
        boolean[] places = {kept.places()};
        boolean[] bold = {kept.bold() > 0};
        boolean[] anew = {kept.anew()};
        if (own) card.toggle(Words.of("bookmarks.anew.card"), Words.of("bookmarks.anew.about"), anew[0], on -> anew[0] = on);
        card.toggle(Words.of("bookmarks.places.card"), "", places[0], on -> places[0] = on);
        card.toggle(Words.of("bookmarks.bold.card"), "", bold[0], on -> bold[0] = on);
        List<List<Colour>> colours = new ArrayList<>(List.of(kept.colours()));
        card.note(Words.of("card.bookmarks.colours"));
        card.colours("colour", List.of(Words.of("card.bookmarks.colour", 1), Words.of("card.bookmarks.colour", 2), Words.of("card.bookmarks.colour", 3)),
                kept.colours(), chosen -> colours.set(0, chosen.stream().allMatch(Colour.BLACK::equals) ? List.of() : chosen));
        TextField titles = card.named("titles", kept.titles().entrySet().stream().map(title -> title.getKey() + " = " + title.getValue()).sorted()
                .collect(Collectors.joining("; ")), Words.of("card.bookmarks.titles"));
        card.done(Words.of("card.take"), () -> {
            Map<String, String> said = new LinkedHashMap<>();
            String wrong = pairs(titles.getText(), said);
            if (wrong != null) return Words.of("card.bookmarks.titles.wrong", wrong);
            PdfChoices.Bookmarks levels = kept.from() == 0 && !places[0] ? kept.levels(1, 3, 1) : kept;
            set.accept(now().with(levels.places(places[0]).bold(bold[0] ? 1 : 0).coloured(colours.get(0)).titled(said).anew(anew[0])));
            return null;
        });
    }

    /** Reads “one = other; one = other”. @return what is no such pair, or null */
    private static String pairs(String text, Map<String, String> pairs) {
        for (String one : text.split(";")) {
            if (one.isBlank()) continue;
            String[] sides = one.split("=", 2);
            if (sides.length < 2 || sides[0].isBlank() || sides[1].isBlank()) return one.trim();
            pairs.put(sides[0].trim(), sides[1].trim());
        }
        return null;
    }

    String fontsWords() {
        PdfChoices.Fonts fonts = now().style().fonts();
        if (keeps(PdfStyle::fonts) && keeps(PdfStyle::wholeFamilies)) return Words.of("keep.fonts");
        String how = Words.of(fonts == PdfChoices.Fonts.WHOLE ? "fonts.whole" : fonts == PdfChoices.Fonts.STANDARD_LEFT_OUT ? "fonts.left" : "fonts.used");
        return fonts == PdfChoices.Fonts.WHOLE || now().style().wholeFamilies().isEmpty() ? how : Words.of("fonts.mixed", how,
                String.join(", ", new TreeSet<>(now().style().wholeFamilies())));
    }

    void fontsCard(PhraseCard card) {
        card.title(Words.of("card.fonts"));
        PdfChoices.Fonts chosen = now().style().fonts();
        Map<PdfChoices.Fonts, String> keys = Map.of(PdfChoices.Fonts.USED_CHARACTERS, "used", PdfChoices.Fonts.WHOLE, "whole",
                PdfChoices.Fonts.STANDARD_LEFT_OUT, "left");
        for (PdfChoices.Fonts fonts : PdfChoices.Fonts.values()) {
            String about = Words.of("fonts." + keys.get(fonts) + ".about");
            Label told = card.choice(Words.of("fonts." + keys.get(fonts) + ".card"), about, chosen == fonts, () -> set.accept(now().with(fonts)));
            // What each costs, as soon as it is worked out.
            window.desk().publishing().estimate(now().with(fonts), bytes -> {
                if (bytes >= 0) told.setText(Words.of("fonts.size", about, ReceiptView.bytes(bytes)));
            });
        }
        card.note(Words.of("card.fonts.note"));
        Set<String> whole = new TreeSet<>(now().style().wholeFamilies());
        boolean[] replace = {now().restricted() == Recipe.Restricted.REPLACE};
        for (FontCatalogue.Match match : window.desk().pages().get().fonts()) {
            String family = match.face().family();
            card.toggle(Words.of("fonts.family", family), Words.of("fonts.file", ReceiptView.bytes(match.face().file().length)), whole.contains(family), on -> {
                if (on) whole.add(family);
                else whole.remove(family);
            });
        }
        card.toggle(Words.of("fonts.restricted"), "", replace[0], on -> replace[0] = on);
        card.done(Words.of("card.take"), () -> {
            set.accept(now().with(now().style().whole(whole)).with(replace[0] ? Recipe.Restricted.REPLACE : Recipe.Restricted.STOP));
            return null;
        });
    }

    String officeFontsWords() { return Words.of("office." + key(now().officeFonts())); }

    void officeFontsCard(PhraseCard card) {
        card.title(Words.of("card.office"));
        for (Recipe.OfficeFonts fonts : Recipe.OfficeFonts.values())
            card.choice(Words.of("office." + key(fonts) + ".card"), Words.of("office." + key(fonts) + ".about"), now().officeFonts() == fonts,
                    () -> set.accept(now().with(fonts)));
        card.note(Words.of("card.office.note"));
    }

    String textWords() {
        PlainText text = now().text();
        String letters = Words.of(LETTERS.contains(text.letters().name()) ? "letters." + text.letters().name() : "letters.other", text.letters().name());
        return text.width() == 0 ? letters : Words.of("text.wrapped", letters, text.width());
    }

    void textCard(PhraseCard card) {
        card.title(Words.of("card.text"));
        PlainText[] text = {now().text()};
        card.oneOf("letters", LETTERS, text[0].letters().name(), one -> Words.of("letters." + one), one -> one, one -> text[0] =
                new PlainText(Charset.forName(one), text[0].mark(), text[0].lineEnds(), text[0].width()));
        card.note(Words.of("card.text.ends"));
        card.oneOf("ends", List.of(PlainText.LineEnds.values()), text[0].lineEnds(), one -> Words.of("ends." + key(one)), one -> one.name(), one -> text[0] =
                new PlainText(text[0].letters(), text[0].mark(), one, text[0].width()));
        TextField width = card.number("width", text[0].width(), Words.of("card.text.width"));
        card.done(Words.of("card.take"), () -> {
            String said = width.getText().trim();
            if (!said.matches("\\d{0,4}")) return Words.of("card.text.wrong");
            set.accept(now().with(new PlainText(text[0].letters(), text[0].mark(), text[0].lineEnds(), said.isEmpty() ? 0 : Integer.parseInt(said))));
            return null;
        });
    }

    String linksWords() { return Words.of("links." + key(now().links())); }

    void linksCard(PhraseCard card) {
        card.title(Words.of("card.links"));
        for (Recipe.Links links : Recipe.Links.values())
            card.choice(Words.of("links." + key(links) + ".card"), "", now().links() == links, () -> set.accept(now().with(links)));
    }

    String changesWords() { return Words.of("changed." + word(now().changes())); }

    /** Automatic is what the format makes of it, so that it is said as that. */
    private String word(Recipe.Changes changes) {
        if (changes != Recipe.Changes.AUTOMATIC) return changes.name().toLowerCase(Locale.ROOT);
        return changes.settled(now().target()) == null ? "kept" : "accepted";
    }

    void changesCard(PhraseCard card) {
        card.title(Words.of("card.changes"));
        boolean holds = now().target() != Target.PDF && now().target().format().takesTrackedChanges();
        for (Recipe.Changes changes : Recipe.Changes.values()) {
            boolean same = changes == (holds ? Recipe.Changes.MARKED : Recipe.Changes.ACCEPTED);
            boolean shown = changes != Recipe.Changes.MARKED || holds || now().target() == Target.PDF;
            // What a format does by itself is the choice of that name.
            if (same || !shown) continue;
            String word = word(changes);
            card.choice(Words.of("changed." + word + ".card"), Words.of("changed." + word + ".about"), now().changes() == changes
                    || changes == Recipe.Changes.AUTOMATIC && word.equals(word(now().changes())), () -> set.accept(now().with(changes)));
        }
    }

    String formWords() { return Words.of(now().style().fillable() ? "form.fillable" : "form.text"); }

    void formCard(PhraseCard card) {
        card.title(Words.of("card.form"));
        card.choice(Words.of("form.text.card"), Words.of("form.text.about"), !now().style().fillable(),
                () -> set.accept(now().with(now().style().fillable(false))));
        card.choice(Words.of("form.fillable.card"), Words.of("form.fillable.about"), now().style().fillable(),
                () -> set.accept(now().with(now().style().fillable(true))));
    }

    String insideWords() { return Words.of(now().attachSource() ? "inside.source" : "inside.nothing"); }

    void insideCard(PhraseCard card) {
        card.title(Words.of("card.inside"));
        card.choice(Words.of("inside.nothing.card"), Words.of("inside.nothing.about"), !now().attachSource(), () -> set.accept(now().attaching(false)));
        card.choice(Words.of("inside.source.card"), Words.of("inside.source.about"), now().attachSource(), () -> set.accept(now().attaching(true)));
    }

    String remakeWords() { return Words.of(now().remake() ? "remake.anew" : "remake.kept"); }

    void remakeCard(PhraseCard card) {
        card.title(Words.of("card.remake"));
        card.choice(Words.of("remake.kept.card"), Words.of("remake.kept.about"), !now().remake(), () -> set.accept(now().remaking(false)));
        card.choice(Words.of("remake.anew.card"), Words.of("remake.anew.about"), now().remake(), () -> set.accept(now().remaking(true)));
    }

    String factsWords() {
        FactsRule facts = now().facts();
        String title = facts.title() != null ? facts.title() : facts.stripped() ? null : window.desk().document().facts().title();
        return title == null || title.isBlank() ? facts.stripped() ? Words.of("facts.stripped") : Words.of("facts.kept")
                : Words.of("facts.title", title.length() > 40 ? title.substring(0, 38).trim() + "…" : title);
    }

    void factsCard(PhraseCard card) {
        card.title(Words.of("card.facts"));
        FactsRule rule = now().facts();
        Facts own = window.desk().document().facts();
        TextField title = card.named("facts-title", shown(rule.title(), rule.stripped() ? null : own.title()), Words.of("card.facts.title"));
        TextField author = card.named("facts-author", shown(rule.author(), rule.stripped() ? null : own.author()), Words.of("card.facts.author"));
        TextField subject = card.named("facts-subject", shown(rule.subject(), rule.stripped() ? null : own.subject()), Words.of("card.facts.subject"));
        TextField keywords = card.named("facts-keywords", shown(rule.keywords(), rule.stripped() ? null : own.keywords()), Words.of("card.facts.keywords"));
        TextField fields = card.named("facts-own", rule.own().entrySet().stream().map(field -> field.getKey() + " = " + field.getValue())
                .collect(Collectors.joining("; ")), Words.of("card.facts.own"));
        Dates[] dates = {rule.dates()};
        card.note(Words.of("card.facts.dates"));
        card.oneOf("dates", List.of(Dates.values()), dates[0], one -> Words.of("dates." + key(one)), one -> "", one -> dates[0] = one);
        boolean[] strip = {rule.stripped()};
        card.toggle(Words.of("card.facts.strip"), "", strip[0], on -> {
            strip[0] = on;
            if (on) for (TextField field : List.of(title, author, subject, keywords)) field.clear();
        });
        card.done(Words.of("card.take"), () -> {
            Map<String, String> said = new LinkedHashMap<>();
            String wrong = pairs(fields.getText(), said);
            if (wrong != null) return Words.of("card.facts.own.wrong", wrong);
            set.accept(now().with(new FactsRule(strip[0], anew(title, own.title(), strip[0]), anew(subject, own.subject(), strip[0]),
                    anew(author, own.author(), strip[0]), anew(keywords, own.keywords(), strip[0]), rule.language(), dates[0], said)));
            return null;
        });
    }

    private static String shown(String anew, String own) { return anew != null ? anew : own == null ? "" : own; }

    /** What a field says, or null where that is what the document says itself. */
    private static String anew(TextField field, String own, boolean stripped) {
        String text = field.getText().trim();
        if (stripped) return text.isEmpty() ? null : text;
        return text.equals(own == null ? "" : own) ? null : text;
    }

    String laidWords() {
        List<Laid> laid = now().laid();
        if (laid.isEmpty()) return Words.of("laid.none");
        if (laid.size() > 1) return Words.of("laid.many", laid.size());
        if (laid.get(0).isStamp()) return Words.of("laid.stamp", laid.get(0).what());
        return laid.get(0).file() ? Words.of("laid.file", Path.of(laid.get(0).what()).getFileName()) : Words.of("laid.words", laid.get(0).what());
    }

    void laidCard(PhraseCard card) {
        card.title(Words.of("card.laid"));
        card.choice(Words.of("laid.none.card"), "", now().laid().isEmpty(), () -> set.accept(now().with(List.of())));
        card.choice(Words.of("laid.letterhead"), Words.of("laid.letterhead.about"), false, () -> {
            FileChooser chooser = new FileChooser();
            chooser.getExtensionFilters().add(new FileChooser.ExtensionFilter("PDF, PNG, JPEG", "*.pdf", "*.png", "*.jpg", "*.jpeg"));
            File file = chooser.showOpenDialog(window.stage());
            if (file != null) set.accept(now().with(laid(Laid.letterhead(file.toPath()))));
        });
        TextField field = card.field("watermark", now().laid().stream().filter(one -> !one.file() && !one.isStamp()).map(Laid::what).findFirst().orElse(""),
                Words.of("card.laid.prompt"));
        card.accept(field, text -> {
            if (text.isBlank()) return Words.of("card.laid.wrong");
            set.accept(now().with(laid(Laid.watermark(text.trim()))));
            return null;
        });
        card.note(Words.of("card.laid.note"));
        Laid stamp = now().laid().stream().filter(Laid::isStamp).findFirst().orElse(null);
        TextField words = card.field("stamp", stamp == null ? "" : stamp.what(), Words.of("card.stamp.prompt"));
        card.note(Words.of("card.stamp.note"));
        for (Overlay.Place place : List.of(Overlay.Place.BOTTOM, Overlay.Place.BOTTOM_RIGHT, Overlay.Place.TOP, Overlay.Place.TOP_RIGHT)) {
            card.attempt(Words.of("stamp." + key(place)), stamp != null && stamp.place() == place, () -> {
                if (words.getText().isBlank()) return Words.of("card.stamp.wrong");
                set.accept(now().with(laid(Laid.stamp(words.getText().trim(), place))));
                return null;
            });
        }
    }

    /** A new letterhead, new words or a new stamp take the place of the old ones; the others stay. */
    private List<Laid> laid(Laid anew) {
        return Stream.concat(now().laid().stream().filter(one -> one.file() != anew.file() || one.isStamp() != anew.isStamp()), Stream.of(anew)).toList();
    }
}
