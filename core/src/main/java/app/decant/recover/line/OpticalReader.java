package app.decant.recover.line;

import app.decant.document.Picture;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import app.decant.recover.scan.LoneMarks;
import app.decant.recover.scan.ReadWords;
import app.decant.recover.scan.ReadingCopy;
import java.awt.image.BufferedImage;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.slf4j.LoggerFactory;

/**
 * Recognises words in the picture of a page by the Tesseract program, where it is installed. It is found at run time and never required. What it says is
 * read as hOCR 1.2, the open form in which such programs tell words with their lines.
 */
public final class OpticalReader {
    private static final int MOST_SECONDS = 120;
    private static final double SURE = 30;
    /** From the feet of letters that hang below the line to the heads of capitals, as a share of their size: of most faces of running text. */
    private static final double HEIGHT = 0.9;
    /** How the program is told to look for text: as on any page; in rows below each other. */
    private static final String WHOLE_PAGE = "3";
    private static final String ROWS = "6";
    /** What stands alone: numbers, and letters of lists. */
    private static final String LONE = "0123456789.,:()%+-abcdefghijklmnopqrstuvwxyz";
    private static final int RESOLUTION = 300;
    private static final Pattern NUMBERS = Pattern.compile("-?\\d+(\\.\\d+)?");
    private static final String LINES = ".ocr_line, .ocr_header, .ocr_caption, .ocr_textfloat";

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

    /** Languages are asked for once. */
    private static final class Languages {
        static final String WANTED = wanted();

        /** That of this machine, if the program knows it, and English. */
        private static String wanted() {
            List<String> known = new ArrayList<>();
            try {
                Path list = Files.createTempFile("decant-languages", ".txt");
                try {
                    run(new ProcessBuilder(program().toString(), "--list-langs").redirectErrorStream(true).redirectOutput(list.toFile()));
                    for (String line : Files.readAllLines(list)) if (line.matches("[a-z]{3}(_\\w+)?") && !line.equals("osd")) known.add(line);
                } finally {
                    Files.deleteIfExists(list);
                }
            } catch (IOException e) {
                LoggerFactory.getLogger(OpticalReader.class).info("Which languages can be recognised is not told", e);
            }
            String own = Locale.getDefault().getISO3Language();
            List<String> wanted = new ArrayList<>();
            if (known.contains(own)) wanted.add(own);
            if (known.contains("eng") && !wanted.contains("eng")) wanted.add("eng");
            if (wanted.isEmpty() && !known.isEmpty()) wanted.add(known.get(0));
            return wanted.isEmpty() ? "eng" : String.join("+", wanted);
        }
    }

    private static void run(ProcessBuilder program) throws IOException {
        // Pages are read side by side; each by several threads as well only makes them wait for each other.
        program.environment().put("OMP_THREAD_LIMIT", "1");
        Process process = program.start();
        try {
            if (!process.waitFor(MOST_SECONDS, TimeUnit.SECONDS)) throw new IOException("Recognition took longer than " + MOST_SECONDS + " seconds");
            if (process.exitValue() != 0) throw new IOException("Recognition ended with " + process.exitValue());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("Recognition was stopped", e);
        } finally {
            process.destroyForcibly();
        }
    }

    /**
     * The words on a page, where they stand on it.
     *
     * @param scale from pixels to points
     * @throws IOException where the program fails or takes too long
     */
    static List<Picture.Word> read(BufferedImage page, double scale) throws IOException {
        ReadingCopy copy = ReadingCopy.of(page, scale);
        List<Picture.Word> words = new ArrayList<>(recognised(copy.picture(), copy.scale(), "--psm", WHOLE_PAGE));
        LoneMarks left = copy.left(words);
        words.addAll(copy.leaders());
        words.addAll(left.signs());
        if (!left.isEmpty()) words.addAll(left.placed(recognised(left.sheet(), 1, "--psm", ROWS, "-c", "tessedit_char_whitelist=" + LONE)));
        return ReadWords.inOrder(words).stream().map(copy::onPage).toList();
    }

    private static List<Picture.Word> recognised(BufferedImage copy, double scale, String... manner) throws IOException {
        Path picture = Files.createTempFile("decant-page", ".png");
        Path words = Files.createTempFile("decant-words", ".hocr");
        try {
            ImageIO.write(copy, "png", picture.toFile());
            List<String> call = new ArrayList<>(List.of(program().toString(), picture.toString(), words.toString().replaceFirst("\\.hocr$", ""), "-l",
                    Languages.WANTED, "--dpi", String.valueOf(scale == 1 ? RESOLUTION : Math.round(72 / scale))));
            call.addAll(List.of(manner));
            call.add("hocr");
            run(new ProcessBuilder(call).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD));
            return words(Files.readString(words, StandardCharsets.UTF_8), scale);
        } finally {
            Files.deleteIfExists(picture);
            Files.deleteIfExists(words);
        }
    }

    /** The words of lines: {@code bbox left top right bottom; baseline slope height; x_size size}, and of each word how sure it is ({@code x_wconf}). */
    public static List<Picture.Word> words(String hocr, double scale) {
        List<Picture.Word> words = new ArrayList<>();
        for (Element line : Jsoup.parse(hocr).select(LINES)) {
            double[] box = numbers(line, "bbox", 4);
            double[] baseline = numbers(line, "baseline", 2);
            double[] size = numbers(line, "x_size", 1);
            // A column of single numbers is taken for a word or two on their side; they are read again, one by one.
            if (box == null || numbers(line, "textangle", 1) != null && line.select(".ocrx_word").size() <= 2) continue;
            // Lines that stand askew say how; those that say nothing reach from heads to feet.
            double slope = baseline == null ? 0 : baseline[0];
            double foot = baseline == null ? -0.22 * (box[3] - box[1]) : baseline[1];
            double height = Math.max(1, (size == null ? box[3] - box[1] : size[0]) / HEIGHT * scale);
            for (Element one : line.select(".ocrx_word")) {
                double[] place = numbers(one, "bbox", 4);
                double[] sure = numbers(one, "x_wconf", 1);
                String text = one.text().strip();
                if (place == null || text.isEmpty() || sure != null && sure[0] < SURE) continue;
                double standing = box[3] + foot + slope * ((place[0] + place[2]) / 2 - box[0]);
                words.add(new Picture.Word(text, place[0] * scale, standing * scale, Math.max(0.1, (place[2] - place[0]) * scale), height));
            }
        }
        return words;
    }

    private static double[] numbers(Element element, String name, int count) {
        for (String part : element.attr("title").split(";")) {
            if (!part.strip().startsWith(name + " ")) continue;
            double[] numbers = new double[count];
            Matcher matcher = NUMBERS.matcher(part.strip().substring(name.length()));
            for (int i = 0; i < count; i++) {
                if (!matcher.find()) return null;
                numbers[i] = Double.parseDouble(matcher.group());
            }
            return numbers;
        }
        return null;
    }

    /** Words as letters, each as wide as the others of its word, which nobody said. */
    static List<Glyph> glyphs(List<Picture.Word> words) {
        FaceUse face = new FaceUse("Liberation Serif", false, false, true, false, true);
        List<Glyph> glyphs = new ArrayList<>();
        for (Picture.Word word : words) {
            int count = word.text().codePointCount(0, word.text().length());
            double size = Math.round(word.size() * 2) / 2.0;
            int at = 0;
            for (int i = 0; i < count; i++) {
                int point = word.text().codePointAt(at);
                at += Character.charCount(point);
                glyphs.add(new Glyph(Character.toString(point), word.x() + word.width() * i / count, word.baseline(), word.width() / count, size, size * 0.25,
                        face, 0, -1, 0, true, null, glyphs.size()));
            }
            glyphs.add(new Glyph(" ", word.x() + word.width(), word.baseline(), size * 0.2, size, size * 0.25, face, 0, -1, 0, true, null, glyphs.size()));
        }
        return glyphs;
    }
}
