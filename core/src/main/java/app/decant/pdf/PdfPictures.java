package app.decant.pdf;

import java.awt.image.BufferedImage;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Pictures of the pages of a PDF file as it is. */
public final class PdfPictures {
    private PdfPictures() { }

    /** The first pages at a scale (1 is 72 pixels an inch), twice as fine for sharp screens. */
    public static List<BufferedImage> of(Path file, String password, int most, double scale) {
        try (PdfPages pages = PdfPages.open(file, password)) {
            List<BufferedImage> images = new ArrayList<>();
            for (int i = 0; i < Math.min(most, pages.count()); i++) images.add(pages.image(i, scale * 2));
            return images;
        }
    }
}
