package app.decant.bench;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.awt.image.DataBuffer;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * How much of the looks of PDFs comes back once they were taken in as text and set anew: for each file the share of its ink that is where it was, blurred a
 * little, over its first pages, and the mean of all. One-word pages fall far for a shift of a point; the mean tells whether a change helped.
 */
public final class Looks {
    private static final int MOST_PAGES = 6;
    private static final int RESOLUTION = 36;

    private Looks() { }

    public static void main(String[] arguments) throws IOException {
        Path folder = Path.of(arguments[0]);
        Path made = Files.createTempFile("decant-looks", ".pdf");
        double sum = 0;
        int count = 0;
        int refused = 0;
        try {
            for (Path file : pdfs(folder)) {
                try {
                    Document document = Decant.open(file).document();
                    Files.deleteIfExists(made);
                    Decant.publish(document, Recipe.PLAIN, made);
                    double alike = alike(file, made);
                    System.out.printf(Locale.ROOT, "%.3f  %s%n", alike, file.getFileName());
                    sum += alike;
                    count++;
                } catch (DecantException | IOException e) {
                    refused++;
                    System.out.println("-      " + file.getFileName() + ": " + e.getMessage());
                }
            }
        } finally {
            Files.deleteIfExists(made);
        }
        System.out.printf(Locale.ROOT, "%.4f in the mean of %d files; %d refused%n", sum / Math.max(1, count), count, refused);
    }

    private static List<Path> pdfs(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.toString().toLowerCase(Locale.ROOT).endsWith(".pdf")).sorted().toList();
        }
    }

    /** 1 where all ink is where it was, 0 where none is; pages that only one of them has count as lost. */
    private static double alike(Path original, Path made) throws IOException {
        try (PDDocument before = Loader.loadPDF(original.toFile()); PDDocument after = Loader.loadPDF(made.toFile())) {
            List<double[][]> was = inks(before);
            List<double[][]> is = inks(after);
            double apart = 0;
            double all = 0;
            for (int page = 0; page < Math.max(was.size(), is.size()); page++) {
                double[][] one = page < was.size() ? was.get(page) : new double[0][0];
                double[][] other = page < is.size() ? is.get(page) : new double[0][0];
                for (int y = 0; y < Math.max(one.length, other.length); y++) {
                    for (int x = 0; x < Math.max(width(one), width(other)); x++) {
                        double here = at(one, x, y);
                        double there = at(other, x, y);
                        apart += Math.abs(here - there);
                        all += Math.max(here, there);
                    }
                }
            }
            return all == 0 ? 1 : 1 - apart / all;
        }
    }

    private static int width(double[][] ink) { return ink.length == 0 ? 0 : ink[0].length; }

    private static double at(double[][] ink, int x, int y) { return y < ink.length && x < ink[y].length ? ink[y][x] : 0; }

    private static List<double[][]> inks(PDDocument pdf) throws IOException {
        List<double[][]> inks = new ArrayList<>();
        PDFRenderer renderer = new PDFRenderer(pdf);
        for (int page = 0; page < Math.min(MOST_PAGES, pdf.getNumberOfPages()); page++)
            inks.add(blurred(renderer.renderImageWithDPI(page, RESOLUTION, ImageType.GRAY)));
        return inks;
    }

    /** How dark each place is, the mean of the nine round it. */
    private static double[][] blurred(BufferedImage image) {
        DataBuffer grey = image.getRaster().getDataBuffer();
        int width = image.getWidth();
        int height = image.getHeight();
        double[][] ink = new double[height][width];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double sum = 0;
                for (int down = Math.max(0, y - 1); down <= Math.min(height - 1, y + 1); down++)
                    for (int across = Math.max(0, x - 1); across <= Math.min(width - 1, x + 1); across++) sum += 255 - grey.getElem(down * width + across);
                ink[y][x] = sum / 9;
            }
        }
        return ink;
    }
}
