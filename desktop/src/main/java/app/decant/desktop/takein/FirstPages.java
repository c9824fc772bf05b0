package app.decant.desktop.takein;

import app.decant.Decant;
import app.decant.desktop.table.PagePictures;
import app.decant.document.DecantException;
import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
import app.decant.publish.Guard;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.UserFolder;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.image.Image;
import javafx.scene.image.PixelReader;
import javax.imageio.ImageIO;
import org.slf4j.LoggerFactory;

/** Small pictures of the first pages of recent files, by which they are known at a glance. Kept where only this user reads; none of files that are locked. */
final class FirstPages {
    /** The longer side, in pixels: twice as fine as it is shown. */
    private static final double SIDE = 128;

    private FirstPages() { }

    private static Path folder() { return Decant.home().resolve("first-pages"); }

    private static Path of(Path file) {
        try {
            byte[] name = file.toAbsolutePath().normalize().toString().getBytes(StandardCharsets.UTF_8);
            String print = HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(name), 0, 12);
            return folder().resolve(print + ".png");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    /** The picture of a file, or null where none is kept. */
    static Image picture(Path file) {
        Path kept = of(file);
        if (!Files.isRegularFile(kept)) return null;
        Image image = new Image(kept.toUri().toString(), true);
        return image.isError() ? null : image;
    }

    /**
     * Keeps the picture of a file, and those of other recent ones.
     *
     * @param ground that paints a page which is a file's own, or null
     */
    static void keep(Path file, Page page, GroundPainter ground, List<Path> recent) {
        try {
            BufferedImage picture = drawn(new PagePictures().whole(page, ground, SIDE / Math.max(page.width(), page.height())));
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            ImageIO.write(picture, "png", bytes);
            UserFolder.ready(folder());
            SafeFile.write(of(file), Recipe.WhenPresent.REPLACE, Guard.OWN, out -> out.write(bytes.toByteArray()), SafeFile.UNSEEN);
            Set<Path> wanted = recent.stream().map(FirstPages::of).collect(Collectors.toSet());
            wanted.add(of(file));
            try (Stream<Path> kept = Files.list(folder())) {
                for (Path one : kept.filter(one -> one.toString().endsWith(".png") && !wanted.contains(one)).toList()) Files.deleteIfExists(one);
            }
        } catch (IOException | DecantException e) {
            // The file is listed without a picture then.
            LoggerFactory.getLogger(FirstPages.class).info("The first page of {} can't be kept", file.getFileName(), e);
        }
    }

    private static BufferedImage drawn(Image image) {
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        PixelReader reader = image.getPixelReader();
        for (int y = 0; y < height; y++) for (int x = 0; x < width; x++) drawn.setRGB(x, y, reader.getArgb(x, y));
        return drawn;
    }
}
