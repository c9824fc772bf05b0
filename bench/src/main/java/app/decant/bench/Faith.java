package app.decant.bench;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import app.decant.proof.PageScore;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.awt.image.ConvolveOp;
import java.awt.image.Kernel;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.slf4j.LoggerFactory;

/**
 * Whether faith sees what a person sees: takes every PDF of a folder in, sets it anew, paints both with {@code pdftoppm} of poppler-utils, and compares the
 * ink of each page with what faith says of it. Ink is what is darker than paper, at 50 pixels an inch, a little blurred; alike is what both pages share.
 */
public final class Faith {
    private static final int MOST_PAGES = 40;
    private static final float[] BLUR = {1 / 16f, 2 / 16f, 1 / 16f, 2 / 16f, 4 / 16f, 2 / 16f, 1 / 16f, 2 / 16f, 1 / 16f};

    private record Seen(String file, PageScore score, double ink) { }

    private Faith() { }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        List<Path> files;
        try (Stream<Path> all = Files.list(Path.of(arguments[0]))) {
            files = all.filter(file -> file.toString().toLowerCase().endsWith(".pdf")).sorted().toList();
        }
        List<Seen> seen = new ArrayList<>();
        for (Path file : files) {
            Path work = Files.createTempDirectory("faith");
            try {
                see(file, work, seen);
            } catch (DecantException e) {
                LoggerFactory.getLogger(Faith.class).info("{} is left out", file.getFileName(), e);
            } finally {
                clear(work);
            }
        }
        if (seen.size() < 2) throw new IllegalArgumentException("No two pages of " + arguments[0] + " can be painted: is pdftoppm installed?");
        System.out.printf("%d pages of %d files; ink that is the same %.3f%n", seen.size(), seen.stream().map(Seen::file).distinct().count(),
                seen.stream().mapToDouble(Seen::ink).average().orElse(0));
        tell("looks", seen, one -> one.score.looks());
        tell("words and structure", seen, one -> one.score.words());
        tell("painting alone", seen, one -> 100 * one.score.painting());
        System.out.println("Furthest from each other:");
        seen.stream().sorted(Comparator.comparingDouble(one -> -Math.abs(one.ink - one.score.looks() / 100))).limit(12).forEach(one -> System.out.printf(
                "  %s page %d: ink %.2f, looks %.1f%n", one.file, one.score.page() + 1, one.ink, one.score.looks()));
    }

    private static void tell(String what, List<Seen> seen, ToDoubleFunction<Seen> score) {
        double[] scores = seen.stream().mapToDouble(score).toArray();
        double[] ink = seen.stream().mapToDouble(Seen::ink).toArray();
        System.out.printf("%s: mean %.2f, correlation with ink %.3f%n", what, IntStream.range(0, scores.length).mapToDouble(i -> scores[i]).average().orElse(0),
                correlation(scores, ink));
    }

    /** Of Pearson. */
    private static double correlation(double[] one, double[] other) {
        double mean = IntStream.range(0, one.length).mapToDouble(i -> one[i]).average().orElse(0);
        double otherMean = IntStream.range(0, one.length).mapToDouble(i -> other[i]).average().orElse(0);
        double both = 0;
        double mine = 0;
        double theirs = 0;
        for (int i = 0; i < one.length; i++) {
            both += (one[i] - mean) * (other[i] - otherMean);
            mine += (one[i] - mean) * (one[i] - mean);
            theirs += (other[i] - otherMean) * (other[i] - otherMean);
        }
        return both / Math.sqrt(mine * theirs);
    }

    private static void see(Path file, Path work, List<Seen> seen) throws IOException, InterruptedException {
        Taken taken = Decant.open(file);
        List<Provenance.Sheet> sheets = taken.provenance().sheets();
        PagedDocument laid = Decant.layOut(taken.document());
        if (laid.count() > MOST_PAGES) return;
        Path anew = work.resolve("anew.pdf");
        Decant.publish(new Order(laid, Recipe.PLAIN), anew, Progress.SILENT);
        List<BufferedImage> before = painted(file, work, "before");
        List<BufferedImage> after = painted(anew, work, "after");
        Comparison comparison = Decant.faith(file, null, laid, Progress.SILENT);
        // Where a page more or less was made, faith compares pages that show the same; ink only those of one number.
        if (comparison.differences().stream().anyMatch(one -> one.kind() == Difference.Kind.PAGES)) return;
        Set<Integer> done = new HashSet<>();
        for (PageScore score : comparison.pages()) {
            int page = score.page();
            if (page >= before.size() || page >= after.size() || !done.add(page)) continue;
            BufferedImage one = before.get(page);
            BufferedImage other = after.get(page);
            // A page that was turned to be read is another picture, and is compared as it is read.
            boolean likewise = page >= sheets.size() || sheets.get(page).turn() == 0;
            if (likewise) seen.add(new Seen(file.getFileName().toString(), score, alike(one, other)));
        }
    }

    private static List<BufferedImage> painted(Path pdf, Path work, String name) throws IOException, InterruptedException {
        new ProcessBuilder("pdftoppm", "-cropbox", "-gray", "-r", "50", "-png", pdf.toString(), work.resolve(name).toString())
                .redirectError(ProcessBuilder.Redirect.DISCARD).start().waitFor();
        List<BufferedImage> pages = new ArrayList<>();
        File[] files = work.toFile().listFiles((folder, file) -> file.startsWith(name + "-"));
        for (File page : Stream.of(files).sorted().toList()) pages.add(ImageIO.read(page));
        return pages;
    }

    private static double alike(BufferedImage one, BufferedImage other) {
        ConvolveOp blur = new ConvolveOp(new Kernel(3, 3, BLUR), ConvolveOp.EDGE_NO_OP, null);
        BufferedImage mine = blur.filter(one, null);
        BufferedImage theirs = blur.filter(other, null);
        double differs = 0;
        double all = 0;
        for (int y = 0; y < Math.max(mine.getHeight(), theirs.getHeight()); y++) {
            for (int x = 0; x < Math.max(mine.getWidth(), theirs.getWidth()); x++) {
                int a = ink(mine, x, y);
                int b = ink(theirs, x, y);
                differs += Math.abs(a - b);
                all += a + b;
            }
        }
        return all == 0 ? 1 : 1 - differs / all;
    }

    private static int ink(BufferedImage image, int x, int y) {
        return x < image.getWidth() && y < image.getHeight() ? 255 - image.getRaster().getSample(x, y, 0) : 0;
    }

    private static void clear(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path one : all.sorted(Comparator.reverseOrder()).toList()) Files.delete(one);
        }
    }
}
