package app.decant.recover.line;

import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.pdf.read.FontReading;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.SourceFile;
import app.decant.pdf.read.SourcePage;
import app.decant.words.Message;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.slf4j.LoggerFactory;

/**
 * Pages that hold no readable text: scans, and pages whose letters no table explains. Their words are recognised where that can be done here; else the page
 * becomes its picture.
 */
public final class UnreadablePages {
    private static final int RESOLUTION = 300;
    private static final int PICTURE_RESOLUTION = 200;

    private final SourceFile source;
    private final List<Finding> findings;

    public UnreadablePages(SourceFile source, List<Finding> findings) {
        this.source = source;
        this.findings = findings;
    }

    /** The page as it is where it can be read; else what can be made of it. */
    public SourcePage replaced(SourcePage page) {
        int number = page.index() + 1;
        Message where = Finding.page(page.index());
        long letters = page.glyphs().stream().filter(glyph -> !glyph.isSpace() && !glyph.text().isEmpty()).count();
        long unknown = page.glyphs().stream().filter(glyph -> glyph.text().equals(FontReading.UNKNOWN)).count();
        boolean unmapped = letters > 20 && unknown * 5 > letters;
        boolean scan = page.isScan();
        if (scan && letters > 0 && !unmapped) {
            findings.add(Finding.changed(Message.of("line.a-scanned-page-with-its-text-under")).at(where));
            return page.with(List.of(), List.of(), overWords(page, words(page)));
        }
        if (!unmapped && !scan) {
            if (unknown > 0) findings.add(Finding.lost(Message.of("line.characters-on-page-cannot-be-told", unknown, number)).at(where));
            return page;
        }
        List<Picture.Word> recognised = recognised(page, where);
        if (!recognised.isEmpty() && scan) {
            findings.add(Finding.changed(Message.of("line.recognised-under", number)).at(where));
            return page.with(List.of(), List.of(), overWords(page, recognised));
        }
        if (!recognised.isEmpty()) {
            findings.add(Finding.changed(Message.of("line.recognised", number)).at(where));
            return page.with(OpticalReader.glyphs(recognised), page.ink(), page.pictures());
        }
        findings.add(Finding.lost(Message.of("line.as-a-picture", number, scan, OpticalReader.isHere())).at(where));
        return scan ? page.with(List.of(), List.of(), page.pictures()) : page.with(List.of(), List.of(), picture(page));
    }

    /** The scan as it is, or where more than it is painted, a picture of the page; over the words that lie under it. */
    private List<Placed> overWords(SourcePage page, List<Picture.Word> words) {
        boolean alone = page.ink().isEmpty() && page.pictures().size() == 1 && page.glyphs().stream().noneMatch(glyph -> glyph.seen() && !glyph.isSpace());
        List<Placed> pictures = alone ? page.pictures() : picture(page);
        if (pictures.isEmpty()) return pictures;
        Placed scan = pictures.get(0);
        List<Picture.Word> within = words.stream().map(word -> new Picture.Word(word.text(), word.x() - scan.x(), word.baseline() - scan.y(), word.width(),
                word.size())).toList();
        return List.of(new Placed(scan.picture().over(within), scan.x(), scan.y(), scan.order()));
    }

    private static List<Picture.Word> words(SourcePage page) {
        List<Picture.Word> words = new ArrayList<>();
        for (Chunk chunk : LineFinder.chunks(page.glyphs())) {
            List<Glyph> word = new ArrayList<>();
            for (Glyph glyph : chunk.glyphs()) {
                boolean apart = glyph.isSpace() || !word.isEmpty() && glyph.x() - word.get(word.size() - 1).right() > 0.3 * Math.max(glyph.space(),
                        0.2 * glyph.size());
                if (apart) end(word, words);
                if (!glyph.isSpace() && !glyph.text().isEmpty()) word.add(glyph);
            }
            end(word, words);
        }
        return words;
    }

    private static void end(List<Glyph> word, List<Picture.Word> words) {
        if (word.isEmpty()) return;
        StringBuilder text = new StringBuilder();
        for (Glyph glyph : word) text.append(glyph.text());
        Glyph first = word.get(0);
        words.add(new Picture.Word(text.toString(), first.x(), first.baseline(), Math.max(0.1, word.get(word.size() - 1).right() - first.x()), first.size()));
        word.clear();
    }

    private List<Picture.Word> recognised(SourcePage page, Message where) {
        if (!OpticalReader.isHere()) return List.of();
        try {
            return OpticalReader.read(rendered(page, RESOLUTION), 72.0 / RESOLUTION);
        } catch (IOException e) {
            findings.add(Finding.lost(Message.of("line.the-words-of-could-not-be-recognised", where)).at(where));
            LoggerFactory.getLogger(UnreadablePages.class).info("Recognition fails on {}", where, e);
            return List.of();
        }
    }

    private BufferedImage rendered(SourcePage page, int resolution) throws IOException {
        double most = Math.sqrt(60_000_000 / Math.max(1, page.width() * page.height())) * 72;
        return new PDFRenderer(source.pdf()).renderImageWithDPI(page.index(), (float) Math.min(resolution, most), ImageType.RGB);
    }

    private List<Placed> picture(SourcePage page) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(rendered(page, PICTURE_RESOLUTION), "png", out);
            List<Placed> pictures = new ArrayList<>();
            pictures.add(new Placed(new Picture(new Image("image/png", out.toByteArray()), page.width(), page.height(), "Page " + (page.index() + 1)), 0, 0,
                    0));
            return pictures;
        } catch (IOException e) {
            findings.add(Finding.lost(Message.of("line.page-cannot-be-shown-even", page.index() + 1)).at(Finding.page(page.index())));
            return List.of();
        }
    }
}
