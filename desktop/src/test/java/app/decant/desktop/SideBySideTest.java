package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.desktop.station.Station;
import app.decant.desktop.table.PageView;
import app.decant.publish.Recipe;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Set;
import java.util.concurrent.TimeoutException;
import javafx.geometry.VerticalDirection;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.shape.Rectangle;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** The file as it came and what becomes of it, side by side: moved together, turned together, told apart in words. */
class SideBySideTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;

    /** Text that runs from the top of a wide page to its foot, with a red square where a reader has the left top corner. */
    private static Path sideways() throws IOException {
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(842, 595));
            pdf.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                out.setNonStrokingColor(Color.RED);
                out.addRect(742, 495, 100, 100);
                out.fill();
                out.setNonStrokingColor(Color.BLACK);
                for (int line = 0; line < 12; line++) {
                    out.beginText();
                    out.setFont(new PDType1Font(FontName.HELVETICA), 14);
                    out.setTextMatrix(new Matrix(0, -1, 1, 0, 700 - line * 20f, 540));
                    out.showText("The ferry leaves the quay at a quarter past eight, " + line + ".");
                    out.endText();
                }
            }
            Path file = SHARED.own().resolve("sideways.pdf");
            pdf.save(file.toFile());
            return file;
        }
    }

    @Test void aPageLyingOnItsSideIsTurnedOnBothSides(FxRobot robot) throws TimeoutException, IOException {
        Path file = sideways();
        window = SHARED.window();
        SHARED.open(file, Station.TAKE_IN);
        until(() -> titles(robot).contains("sideways.pdf, page 1, turned to be read"));
        assertThat(titles(robot)).contains("As published: page 1, turned");
        until(() -> view(robot) != null && ((Rectangle) robot.lookup("#original").query().lookup(".paper")).getHeight() > 0);
        Rectangle paper = (Rectangle) robot.lookup("#original").query().lookup(".paper");
        assertThat(paper.getHeight()).as("tall, as it is read").isGreaterThan(paper.getWidth() * 1.3);
        // Seen on the screen: red where reading begins.
        BufferedImage seen = seen(view(robot));
        assertThat(seen.getHeight()).isGreaterThan(seen.getWidth());
        assertThat(isRed(seen.getRGB(seen.getWidth() / 20, seen.getHeight() / 20))).isTrue();
        assertThat(isRed(seen.getRGB(seen.getWidth() - seen.getWidth() / 20, seen.getHeight() / 20))).isFalse();
        assertThat(isRed(seen.getRGB(seen.getWidth() / 20, seen.getHeight() - seen.getHeight() / 20))).isFalse();
    }

    /** Scrolled and made larger on either side, both show the same place; a place that differs is framed where the original has it. */
    @Test void bothSidesGoAndGrowTogether(FxRobot robot) throws TimeoutException, IOException {
        window = SHARED.window();
        Path source = SHARED.own().resolve("From the printer.pdf");
        Decant.publish(Decant.open(SHARED.files().get(0)).document(), Recipe.PLAIN, source);
        SHARED.open(source, Station.TAKE_IN);
        PageView original = robot.lookup("#original").queryAs(PageView.class);
        until(original::hasPages);
        for (double place : new double[] {0, 3.5, 8.2, 12}) {
            WaitForAsyncUtils.asyncFx(() -> window.table().scrollTo(place));
            WaitForAsyncUtils.waitForFxEvents();
            until(() -> Math.abs(original.viewTop() - window.table().viewTop()) < 0.01);
        }
        robot.moveTo("#original").scroll(20, VerticalDirection.UP);
        until(() -> window.table().viewTop() < 12 && Math.abs(original.viewTop() - window.table().viewTop()) < 0.01);
        WaitForAsyncUtils.asyncFx(() -> window.table().zoom(0.5));
        until(() -> original.zoomProperty().get() == 0.5);
        Set<Node> papers = original.lookupAll(".paper");
        Set<Node> beside = window.table().lookupAll(".paper");
        assertThat(papers).hasSameSizeAs(beside);
        assertThat(papers.stream().map(one -> (int) ((Rectangle) one).getHeight()).toList())
                .isEqualTo(beside.stream().map(one -> (int) ((Rectangle) one).getHeight()).toList());
        // While another file comes in, its pages are there already and stand at their first.
        SHARED.open(sideways(), Station.TAKE_IN);
        until(() -> original.hasPages() && original.viewTop() == 0 && original.pageInView().get() == 0);
    }

    private static String titles(FxRobot robot) {
        StringBuilder all = new StringBuilder();
        robot.lookup(".beside-title").queryAllAs(Label.class).forEach(label -> all.append(label.getText()).append('\n'));
        return all.toString();
    }

    private static ImageView view(FxRobot robot) {
        return (ImageView) robot.lookup("#original").query().lookup(".image-view");
    }

    private static boolean isRed(int colour) { return (colour >> 16 & 0xFF) > 200 && (colour >> 8 & 0xFF) < 80; }

    private static BufferedImage seen(ImageView view) throws TimeoutException {
        until(() -> view.getImage() != null);
        BufferedImage[] image = new BufferedImage[1];
        WaitForAsyncUtils.waitForAsyncFx(5000, () -> {
            WritableImage shot = view.getParent().snapshot(null, null);
            PixelReader reader = shot.getPixelReader();
            image[0] = new BufferedImage((int) shot.getWidth(), (int) shot.getHeight(), BufferedImage.TYPE_INT_RGB);
            for (int y = 0; y < image[0].getHeight(); y++) for (int x = 0; x < image[0].getWidth(); x++) image[0].setRGB(x, y, reader.getArgb(x, y));
        });
        return image[0];
    }
}
