package app.decant.recover.line;

import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import java.awt.image.BufferedImage;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;

/** Recognises words in the picture of a page by the Tesseract program, where it is installed. It is found at run time and never required. */
public final class OpticalReader {
    private static final int MOST_SECONDS = 120;
    private static final double SURE = 30;

    private OpticalReader() { }

    public static boolean isHere() { return program() != null; }

    private static Path program() {
        for (String folder : String.valueOf(System.getenv("PATH")).split(File.pathSeparator)) {
            for (String name : List.of("tesseract", "tesseract.exe")) {
                Path file = Path.of(folder).resolve(name);
                if (Files.isExecutable(file)) return file;
            }
        }
        return null;
    }

    /**
     * The letters of the words in a picture.
     *
     * @param scale from pixels to points
     * @throws IOException where the program fails or takes too long
     */
    static List<Glyph> read(BufferedImage page, double scale) throws IOException {
        Path picture = Files.createTempFile("decant-page", ".png");
        Path words = Files.createTempFile("decant-words", ".tsv");
        try {
            ImageIO.write(page, "png", picture.toFile());
            Process process = new ProcessBuilder(program().toString(), picture.toString(), words.toString().replaceFirst("\\.tsv$", ""), "--dpi",
                    String.valueOf(Math.round(72 / scale)), "tsv")
                    .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
            if (!process.waitFor(MOST_SECONDS, TimeUnit.SECONDS)) {
                process.destroyForcibly();
                throw new IOException("Recognition took longer than " + MOST_SECONDS + " seconds");
            }
            if (process.exitValue() != 0) throw new IOException("Recognition ended with " + process.exitValue());
            return glyphs(Files.readString(words, StandardCharsets.UTF_8), scale);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Recognition was stopped", e);
        } finally {
            Files.deleteIfExists(picture);
            Files.deleteIfExists(words);
        }
    }

    /** One line of the table for each word: level, page, block, paragraph, line, word, left, top, width, height, confidence, text. */
    public static List<Glyph> glyphs(String table, double scale) {
        FaceUse face = new FaceUse("Liberation Serif", false, false, true, false, true);
        List<Glyph> glyphs = new ArrayList<>();
        double top = 0;
        double height = 12;
        for (String row : table.split("\n")) {
            String[] cells = row.split("\t", -1);
            if (cells.length < 12 || !cells[0].matches("\\d+")) continue;
            if (cells[0].equals("4")) {
                top = Double.parseDouble(cells[7]) * scale;
                height = Double.parseDouble(cells[9]) * scale;
            }
            String text = cells[11].strip();
            if (!cells[0].equals("5") || text.isEmpty() || Double.parseDouble(cells[10]) < SURE) continue;
            double left = Double.parseDouble(cells[6]) * scale;
            double width = Double.parseDouble(cells[8]) * scale;
            // A line's box reaches from ascenders to descenders: about nine tenths of the size of its type.
            double size = Math.round(height / 0.92 * 2) / 2.0;
            double baseline = top + height * 0.78;
            int count = text.codePointCount(0, text.length());
            int at = 0;
            for (int i = 0; i < count; i++) {
                int point = text.codePointAt(at);
                at += Character.charCount(point);
                glyphs.add(new Glyph(Character.toString(point), left + width * i / count, baseline, width / count, size, size * 0.25, face, 0, -1, 0, true,
                        null, glyphs.size()));
            }
            glyphs.add(new Glyph(" ", left + width, baseline, size * 0.2, size, size * 0.25, face, 0, -1, 0, true, null, glyphs.size()));
        }
        return glyphs;
    }
}
