package app.decant.bench;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.format.Taken;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Writes in every PDF of a folder, a letter at a time in the middle of its text, as on the desk: how long a letter takes until its pages are there, and until
 * its page is painted; how many carets stand on a page at all.
 */
public final class Grounds {
    private static final int LETTERS = 80;
    /** As the window paints pages at its usual zoom. */
    private static final double SCALE = 1.1 * 96 / 72;

    private Grounds() { }

    public static void main(String[] arguments) throws IOException {
        List<Path> files;
        try (Stream<Path> listed = Files.walk(Path.of(arguments[0]))) {
            files = listed.filter(file -> file.toString().endsWith(".pdf")).sorted().toList();
        }
        Map<String, Integer> sums = new TreeMap<>();
        for (Path file : files) {
            try {
                System.out.println(file.getFileName() + ": " + write(file, sums));
            } catch (DecantException e) {
                System.out.println(file.getFileName() + ": not taken in: " + e.getMessage());
                sums.merge("not taken in", 1, Integer::sum);
            }
        }
        System.out.println(sums);
    }

    private static String write(Path file, Map<String, Integer> sums) {
        Taken taken = Decant.open(file);
        Layout layout = new Layout(FontCatalogue.ofThisMachine());
        PagedDocument laid = layout.next(taken.document());
        Original original = Intake.original(file, null);
        try (Revision revision = new Revision(original, taken); GroundPainter painter = new GroundPainter(original)) {
            long begin = System.nanoTime();
            PagedDocument shown = revision.shown(laid);
            double first = (System.nanoTime() - begin) / 1e6;
            int own = (int) shown.pages().stream().filter(page -> page.ground() != null).count();
            int letters = 0;
            int placed = 0;
            for (Walk.Stop stop : shown.walk().stops()) {
                for (int i = 0; i < stop.paragraph().length(); i += 7) {
                    letters++;
                    if (shown.caret(new Place(stop.path(), i)) != null) placed++;
                }
            }
            sums.merge("letters", letters, Integer::sum);
            sums.merge("letters with a place", placed, Integer::sum);
            sums.merge("pages", shown.count(), Integer::sum);
            sums.merge("pages of their own", own, Integer::sum);
            List<Walk.Stop> texts = shown.walk().stops().stream().filter(stop -> stop.paragraph().text().length() > 20).toList();
            if (texts.isEmpty()) return String.format(Locale.ROOT, "%d of %d pages, %d of %d letters", own, shown.count(), placed, letters);
            Walk.Stop stop = texts.get(texts.size() / 2);
            Document document = laid.document();
            double[] paged = new double[LETTERS];
            double[] painted = new double[LETTERS];
            PagedDocument before = shown;
            int anew = 0;
            for (int i = 0; i < LETTERS; i++) {
                // A letter more, a letter less.
                Document other = i % 2 == 0 ? Typing.type(document, TextSelection.caret(new Place(stop.path(), 5)), "e", null).after() : document;
                long start = System.nanoTime();
                PagedDocument after = revision.shown(layout.next(other));
                paged[i] = (System.nanoTime() - start) / 1e6;
                for (int p = 0; p < after.count(); p++) {
                    Page page = after.page(p);
                    if (p < before.count() && page == before.page(p)) continue;
                    if (page.ground() == null) anew++;
                    else painter.image(page, SCALE);
                    break;
                }
                painted[i] = (System.nanoTime() - start) / 1e6;
                before = after;
            }
            sums.merge(anew > 0 ? "set anew" : "in place", 1, Integer::sum);
            String form = "%d of %d pages, %d of %d letters; first %.0f ms; a letter %.1f, painted %.1f, at most %.1f ms; %s";
            return String.format(Locale.ROOT, form, own, shown.count(), placed, letters, first, share(paged, 0.5), share(painted, 0.5),
                    share(painted, 0.97), anew > 0 ? "set anew" : "in place");
        }
    }

    /** What a share of times, when all is warm, is below of. */
    private static double share(double[] times, double share) {
        double[] sorted = Arrays.copyOfRange(times, times.length / 4, times.length);
        Arrays.sort(sorted);
        return sorted[(int) (sorted.length * share)];
    }
}
