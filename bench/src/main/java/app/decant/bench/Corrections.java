package app.decant.bench;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Change;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.FollowingContents;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.page.Pages;
import app.decant.pdf.PdfPages;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Does to every PDF of a folder what people do most: takes it in, corrects one word, publishes it, and looks at both: how many pages are the file's own,
 * how many were changed in place or set anew, and how many show anything different from before. A word is swapped for another order of its own letters, so
 * that any font has what is needed; with a number as third argument, so many words anywhere are swapped for others of the same document; with
 * {@code longer}, the longest paragraph says some of its words twice; with {@code head}, a header or footer is corrected; with {@code paragraph} or
 * {@code item}, one is put in; with {@code cell}, the words of a table's cell say more; with {@code empty}, an empty one gets some; with {@code row},
 * a row is put into a table, with {@code rows}, as many as make its page overflow, with {@code rowless}, one is taken out; with {@code over},
 * one gets much longer; with {@code across}, one that goes on on the next page gets longer; with {@code colour} or {@code size}, some words get another,
 * with {@code underline} a line, with {@code lit} an area behind them; with {@code centred}, a paragraph of more than one line is set in the middle;
 * with {@code below}, text is put in below a heading; with {@code contents}, a word of a heading that a contents list names is corrected; with
 * {@code several}, most of these are done one after the other.
 */
public final class Corrections {
    private static final Pattern WORD = Pattern.compile("\\p{Ll}{4,12}");
    private static final Pattern SEVERAL = Pattern.compile("(?<=\\s)\\p{Ll}+( \\p{Ll}+){4,12}(?=\\s)");
    private static final Pattern WORDS = Pattern.compile("\\p{L}+( \\p{L}+){2,12}");
    private static final int MOST_PAGES = 80;

    private static final Map<String, UnaryOperator<Document>> KINDS = Map.ofEntries(entry("longer", Corrections::lengthened),
            entry("head", Corrections::headed), entry("paragraph", Corrections::parted), entry("item", Corrections::listed),
            entry("over", Corrections::overfull), entry("centred", Corrections::centred), entry("below", Corrections::belowHeading),
            entry("cell", Corrections::fuller), entry("empty", Corrections::filled), entry("row", Corrections::withRow), entry("rows", Corrections::withRows),
            entry("rowless", Corrections::withoutRow), entry("contents", Corrections::listedHeading),
            entry("several", Corrections::several));
    private static final Map<String, UnaryOperator<Look>> LOOKS = Map.of("colour", look -> look.with(TextProperty.COLOUR, new Colour(0xB00020)), "size",
            look -> look.with(TextProperty.SIZE, 15.0), "underline", look -> look.with(TextProperty.UNDERLINE, Underline.SINGLE), "lit",
            look -> look.with(TextProperty.HIGHLIGHT, new Colour(0xFFE040)));
    private static final int LONG = 80;
    private static final int MANY_ROWS = 12;
    private static final int SWAPPED = 3;

    private static UnaryOperator<Document> edit;
    private static boolean across;

    private Corrections() { }

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        Path out = Path.of(arguments[1]);
        Files.createDirectories(out);
        String kind = arguments.length > 2 ? arguments[2] : "";
        across = kind.equals("across");
        boolean word = kind.isEmpty() || across;
        if (word) edit = Corrections::corrected;
        else if (LOOKS.containsKey(kind)) edit = document -> dressed(document, LOOKS.get(kind));
        else edit = KINDS.containsKey(kind) ? KINDS.get(kind) : document -> swapped(document, Integer.parseInt(kind));
        Map<String, Integer> sums = new TreeMap<>();
        List<Path> files;
        try (Stream<Path> listed = Files.list(folder)) {
            files = listed.filter(file -> file.toString().endsWith(".pdf")).sorted().toList();
        }
        for (Path file : files) {
            String told;
            try {
                told = correct(file, out, sums);
            } catch (DecantException e) {
                told = "not made: " + e.getMessage();
                sums.merge("not made", 1, Integer::sum);
            } catch (RuntimeException | Error e) {
                told = "BROKEN: " + e;
                sums.merge("broken", 1, Integer::sum);
            }
            System.out.println(file.getFileName() + ": " + told);
        }
        System.out.println(sums);
    }

    private static String correct(Path file, Path out, Map<String, Integer> sums) {
        String print = Intake.fingerprint(file);
        Taken taken = Decant.open(file);
        Document before = taken.document();
        Document after = across ? goingOn(taken) : edit.apply(before);
        if (after == null) {
            sums.merge("no word", 1, Integer::sum);
            return "no word";
        }
        PagedDocument now = Decant.layOut(after);
        if (now.count() > MOST_PAGES) return "too long";
        Intake intake = Intake.revised(file, null, taken, now, print);
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
        Pages pages = intake.pages(recipe, Progress.SILENT);
        Receipt receipt = Decant.publish(new Order(pages, recipe, Recipe.Passwords.NONE, file), out.resolve(file.getFileName()), Progress.SILENT).get(0);
        if (pages.original().isEmpty()) {
            sums.merge("all anew", 1, Integer::sum);
            return "ALL ANEW " + intake.findings().stream().map(Finding::what).filter(what -> what.startsWith("All pages")).toList();
        }
        int own = 0;
        int inPlace = 0;
        for (int i = 0; i < pages.count(); i++) {
            if (pages.rewritten(i) != null) inPlace++;
            else if (pages.isOwn(i)) own++;
        }
        sums.merge("pages corrected in place", inPlace, Integer::sum);
        int[] seen = seen(file, receipt.file());
        sums.merge("kept", 1, Integer::sum);
        sums.merge("pages own", own, Integer::sum);
        sums.merge("pages set anew", pages.count() - own - inPlace, Integer::sum);
        sums.merge("pages that look otherwise", seen[0], Integer::sum);
        return String.format(Locale.ROOT, "%d of %d own, %d in place, %d look otherwise, at most %.2f %% of a page; %s %s", own, pages.count(),
                inPlace, seen[0], seen[1] / 100.0, intake.findings().stream().map(Finding::what).toList(),
                receipt.findings().stream().map(Finding::what).toList());
    }

    /** The first ordinary word with another order of its letters. */
    private static Document corrected(Document document) { return corrected(document, Story.BODY); }

    /** The first ordinary words in another look. */
    private static Document dressed(Document document, UnaryOperator<Look> look) {
        for (Pattern kind : List.of(SEVERAL, WORD)) {
            for (Walk.Stop stop : Walk.of(document).stops()) {
                Matcher words = kind.matcher(stop.paragraph().text());
                if (!words.find()) continue;
                TextSelection picked = new TextSelection(new Place(stop.path(), words.start()), new Place(stop.path(), words.end()));
                return Dressing.looks(document, picked, look).after();
            }
        }
        return null;
    }

    /** The same of the first header or footer that has one. */
    private static Document headed(Document document) {
        for (int i = 0; i < document.sections().size(); i++) {
            for (Section.FramePlace place : document.sections().get(i).frames().keySet()) {
                Document after = corrected(document, new Story.Frame(i, place));
                if (after != null) return after;
            }
        }
        return null;
    }

    /** The first paragraph of more than one line, such as is not centred yet, in the middle of its column. */
    private static Document centred(Document document) {
        Cascade cascade = Cascade.of(document);
        for (Walk.Stop stop : Walk.of(document).stops()) {
            Paragraph one = stop.paragraph();
            boolean plain = stop.path().size() == 2 && one.length() > LONG + LONG / 2
                    && one.text().chars().noneMatch(c -> c == Inline.OBJECT || c == Inline.TAB);
            if (!plain || cascade.paragraph(one).get(ParagraphProperty.ALIGNMENT, Alignment.START) == Alignment.CENTRE) continue;
            return Dressing.paragraphs(document, TextSelection.caret(new Place(stop.path(), 0)),
                    old -> old.withLook(old.look().with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE)), EditKind.STYLE).after();
        }
        return null;
    }

    /** Another paragraph after the first long one of the body. */
    private static Document parted(Document document) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            String text = stop.paragraph().text();
            if (stop.path().size() > 2 || text.length() < LONG || !Character.isLetterOrDigit(text.charAt(text.length() - 2))) continue;
            Change parted = Typing.breakParagraph(document, TextSelection.caret(new Place(stop.path(), text.length())));
            int end = text.indexOf(' ', LONG / 2);
            return Typing.type(parted.after(), parted.picked(), text.substring(0, end < 0 ? text.length() : end) + ".", null).after();
        }
        return null;
    }

    /** Text below the first heading of the body, as whoever presses Enter behind it gets it. */
    private static Document belowHeading(Document document) {
        Cascade cascade = Cascade.of(document);
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int level = cascade.paragraph(stop.paragraph()).get(ParagraphProperty.OUTLINE_LEVEL, 0);
            if (level == 0 || stop.path().size() > 2 || stop.paragraph().length() == 0) continue;
            Change parted = Typing.breakParagraph(document, TextSelection.caret(new Place(stop.path(), stop.paragraph().length())));
            return Typing.type(parted.after(), parted.picked(), "Some more about this, in a line or two, as an office would put it.", null).after();
        }
        return null;
    }

    /** A word of the first heading that a contents list names has another order of its letters, and the list follows. */
    private static Document listedHeading(Document document) {
        boolean listed = document.sections().stream().flatMap(section -> section.blocks().stream()).anyMatch(Contents.class::isInstance);
        Cascade cascade = Cascade.of(document);
        for (Walk.Stop stop : listed ? Walk.of(document).stops() : List.<Walk.Stop>of()) {
            if (cascade.paragraph(stop.paragraph()).get(ParagraphProperty.OUTLINE_LEVEL, 0) == 0) continue;
            Matcher word = WORD.matcher(stop.paragraph().text());
            if (!word.find()) continue;
            String other = turned(word.group());
            TextSelection picked = new TextSelection(new Place(stop.path(), word.start()), new Place(stop.path(), word.end()));
            Change typed = Typing.type(document, picked, other, null);
            Document followed = FollowingContents.of(typed).after();
            if (followed != typed.after()) return followed;
        }
        return null;
    }

    /** The first item of a list that is one of several is said again, as another below it. */
    private static Document listed(Document document) {
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        List<Walk.Stop> stops = Walk.of(document).stops();
        for (int i = 0; i + 1 < stops.size(); i++) {
            String text = stops.get(i).paragraph().text();
            if (labels.label(stops.get(i).paragraph()) == null || labels.label(stops.get(i + 1).paragraph()) == null || text.isBlank()) continue;
            if (text.indexOf(Inline.OBJECT) >= 0 || stops.get(i).path().size() > 2) continue;
            Change parted = Typing.breakParagraph(document, TextSelection.caret(new Place(stops.get(i).path(), text.length())));
            return Typing.type(parted.after(), parted.picked(), text, null).after();
        }
        return null;
    }

    private static Document corrected(Document document, Story story) {
        for (Walk.Stop stop : Walk.of(document, story).stops()) {
            Matcher word = WORD.matcher(stop.paragraph().text());
            while (word.find()) {
                String other = turned(word.group());
                if (other.equals(word.group())) continue;
                TextSelection picked = new TextSelection(new Place(story, stop.path(), word.start()), new Place(story, stop.path(), word.end()));
                return Typing.type(document, picked, other, null).after();
            }
        }
        return null;
    }

    /** The word with its first letter last. */
    private static String turned(String word) {
        int first = word.offsetByCodePoints(0, 1);
        return word.substring(first) + word.substring(0, first);
    }

    /** The longest paragraph says some of its words twice: more than its line holds. */
    private static Document lengthened(Document document) {
        Walk.Stop longest = longest(document, 0);
        if (longest == null) return null;
        Matcher some = SEVERAL.matcher(longest.paragraph().text());
        if (!some.find()) return null;
        TextSelection place = TextSelection.caret(new Place(longest.path(), some.end()));
        return Typing.type(document, place, " " + some.group(), null).after();
    }

    /** The longest paragraph of a cell says its first words twice. */
    private static Document fuller(Document document) {
        Walk.Stop longest = longest(document, 3);
        if (longest == null) return null;
        Matcher some = WORDS.matcher(longest.paragraph().text());
        if (!some.find()) return null;
        return Typing.type(document, TextSelection.caret(new Place(longest.path(), some.end())), " " + some.group(), null).after();
    }

    /** The first empty cell beside one that says something gets words. */
    private static Document filled(Document document) {
        List<Walk.Stop> stops = Walk.of(document).stops();
        for (Walk.Stop stop : stops) {
            boolean empty = stop.path().size() == 5 && stop.paragraph().length() == 0;
            if (empty && stops.stream().anyMatch(other -> other.path().startsWith(stop.path().head(3)) && other.paragraph().length() > 0))
                return Typing.type(document, TextSelection.caret(new Place(stop.path(), 0)), "555 and more", null).after();
        }
        return null;
    }

    private static Map.Entry<String, UnaryOperator<Document>> entry(String kind, UnaryOperator<Document> does) { return Map.entry(kind, does); }

    /** In the middle of the largest table a row comes that says the first words of the one above it. */
    private static Document withRow(Document document) {
        Walk.Stop stop = inTable(document);
        if (stop == null) return null;
        Document now = Tables.insertRow(document, TextSelection.caret(new Place(stop.path(), 0)), true).after();
        BlockPath row = stop.path().head(2).then(stop.path().step(2) + 1);
        for (Walk.Stop cell : Walk.of(now).stops()) {
            if (!cell.path().startsWith(row) || cell.path().size() != 5) continue;
            BlockPath above = stop.path().head(3).then(cell.path().step(3), 0);
            String text = Walk.of(now).indexOf(above) < 0 ? "" : Walk.of(now).stops().get(Walk.of(now).indexOf(above)).paragraph().text();
            Matcher some = Pattern.compile("\\p{Alnum}+( \\p{Alnum}+)?").matcher(text);
            if (some.find()) now = Typing.type(now, TextSelection.caret(new Place(cell.path(), 0)), some.group(), null).after();
        }
        return now;
    }

    private static Document withRows(Document document) {
        Document now = withRow(document);
        for (int i = 1; i < MANY_ROWS && now != null; i++) now = withRow(now);
        return now;
    }

    /** One change after another, as people make them before they publish. */
    private static Document several(Document document) {
        Document now = document;
        for (String kind : List.of("row", "longer", "cell", "item", "paragraph", "centred", "below", "head", "empty")) {
            Document next = KINDS.get(kind).apply(now);
            if (next != null) now = next;
        }
        Document swapped = swapped(now, SWAPPED);
        return swapped != null ? swapped : now == document ? null : now;
    }

    private static Document withoutRow(Document document) {
        Walk.Stop stop = inTable(document);
        return stop == null ? null : Tables.removeRows(document, TextSelection.caret(new Place(stop.path(), 0))).after();
    }

    /** A paragraph of the row in the middle of the largest table of three rows or more. */
    private static Walk.Stop inTable(Document document) {
        Map<BlockPath, Integer> rows = new TreeMap<>();
        for (Walk.Stop stop : Walk.of(document).stops()) if (stop.path().size() == 5) rows.merge(stop.path().head(2), stop.path().step(2) + 1, Math::max);
        BlockPath largest = null;
        for (Map.Entry<BlockPath, Integer> one : rows.entrySet())
            if (one.getValue() > 2 && (largest == null || one.getValue() > rows.get(largest))) largest = one.getKey();
        if (largest == null) return null;
        BlockPath row = largest.then(rows.get(largest) / 2);
        return Walk.of(document).stops().stream().filter(stop -> stop.path().startsWith(row) && stop.paragraph().length() > 0).findFirst().orElse(null);
    }

    private static Walk.Stop longest(Document document, int deep) {
        Walk.Stop longest = null;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            boolean longer = longest == null || stop.paragraph().text().length() > longest.paragraph().text().length();
            if (longer && stop.path().size() >= deep) longest = stop;
        }
        return longest;
    }

    /** The first paragraph that goes on on the next page says some of its words on the first once more. */
    private static Document goingOn(Taken taken) {
        for (Walk.Stop stop : Walk.of(taken.document()).stops()) {
            Paragraph paragraph = stop.paragraph();
            List<Provenance.Line> lines = taken.provenance().of(paragraph);
            int[][] places = taken.provenance().places(paragraph);
            boolean goesOn = places != null && !lines.isEmpty() && lines.get(0).page() < lines.get(lines.size() - 1).page();
            if (!goesOn || stop.path().size() > 2) continue;
            int first = 0;
            while (first < places.length && (places[first] == null || lines.get(places[first][0]).page() == lines.get(0).page())) first++;
            Matcher some = SEVERAL.matcher(paragraph.text().substring(0, first));
            if (some.find())
                return Typing.type(taken.document(), TextSelection.caret(new Place(stop.path(), some.end())), " " + some.group(), null).after();
        }
        return null;
    }

    /** The first long paragraph of a document says all it says three times: more than many pages have room for. */
    private static Document overfull(Document document) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            String text = stop.paragraph().text();
            if (stop.path().size() > 2 || text.length() < 3 * LONG || text.indexOf(Inline.OBJECT) >= 0) continue;
            int at = text.indexOf(' ', text.length() / 3);
            String again = text.substring(0, at).replaceAll("[\\n\f\t]", " ");
            return Typing.type(document, TextSelection.caret(new Place(stop.path(), at)), " " + again + " " + again, null).after();
        }
        return null;
    }

    /** Some words swapped for others; the same file always gets the same. */
    private static Document swapped(Document document, int words) {
        List<TextSelection> found = new ArrayList<>();
        List<String> texts = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).stops()) {
            Matcher word = WORD.matcher(stop.paragraph().text());
            while (word.find()) {
                found.add(new TextSelection(new Place(stop.path(), word.start()), new Place(stop.path(), word.end())));
                texts.add(word.group());
            }
        }
        if (found.size() < 2 * words) return null;
        Random random = new Random(found.size());
        Document now = document;
        TreeSet<Integer> chosen = new TreeSet<>(Comparator.reverseOrder());
        while (chosen.size() < words) chosen.add(random.nextInt(found.size()));
        // From the end, so that places before stay what they are.
        for (int index : chosen) now = Typing.type(now, found.get(index), texts.get(random.nextInt(texts.size())), null).after();
        return now;
    }

    /** How many pages look otherwise, and how much of the one that does so most, in hundredths of a percent. */
    private static int[] seen(Path one, Path other) {
        int pages = 0;
        double most = 0;
        try (PdfPages a = PdfPages.open(one, null); PdfPages b = PdfPages.open(other, null)) {
            for (int i = 0; i < Math.min(a.count(), b.count()); i++) {
                double share = share(a.image(i, 1), b.image(i, 1));
                if (share > 0) pages++;
                most = Math.max(most, share);
            }
        }
        return new int[] {pages, (int) Math.round(most * 10_000)};
    }

    private static double share(BufferedImage x, BufferedImage y) {
        if (x.getWidth() != y.getWidth() || x.getHeight() != y.getHeight()) return 1;
        int count = 0;
        for (int v = 0; v < x.getHeight(); v++) for (int u = 0; u < x.getWidth(); u++) if (x.getRGB(u, v) != y.getRGB(u, v)) count++;
        return (double) count / x.getWidth() / x.getHeight();
    }
}
