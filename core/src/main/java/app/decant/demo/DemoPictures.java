package app.decant.demo;

import app.decant.document.Image;
import app.decant.font.Face;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.CubicCurve2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/** The company's pictures, drawn here: a chart of the sound, the ferry at sea, its mark. */
final class DemoPictures {
    private static final Color SEA = new Color(0xC9DEE4);
    private static final Color DEEP = new Color(0x2F6478);
    private static final Color LAND = new Color(0xDDD3BC);
    private static final Color INK = new Color(0x1F4E5F);

    private DemoPictures() { }

    /** Each is drawn once, when the first is asked for. */
    private static final class Drawn {
        private static final Image CHART = drawChart();
        private static final Image FERRY = drawFerry();
        private static final Image MARK = drawMark();
    }

    /** A chart of Ostrey Sound with the three lines. */
    static Image chart() { return Drawn.CHART; }

    private static Image drawChart() {
        BufferedImage image = new BufferedImage(1360, 800, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = start(image);
        g.setColor(SEA);
        g.fillRect(0, 0, 1360, 800);
        g.setColor(LAND);
        Path2D north = new Path2D.Double();
        north.moveTo(0, 0);
        north.lineTo(1360, 0);
        north.lineTo(1360, 110);
        north.curveTo(1180, 170, 1040, 90, 900, 170);
        north.curveTo(760, 250, 560, 120, 400, 190);
        north.curveTo(240, 250, 120, 150, 0, 230);
        north.closePath();
        g.fill(north);
        g.fill(new Ellipse2D.Double(150, 480, 400, 250));
        g.fill(new Ellipse2D.Double(820, 430, 330, 290));
        g.fill(new Ellipse2D.Double(640, 610, 90, 60));
        g.setColor(DEEP);
        g.setStroke(new BasicStroke(5, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND, 1, new float[] {16, 14}, 0));
        g.draw(new CubicCurve2D.Double(420, 190, 470, 320, 380, 380, 380, 480));
        g.draw(new CubicCurve2D.Double(900, 172, 860, 300, 960, 330, 960, 432));
        g.draw(new CubicCurve2D.Double(545, 590, 640, 520, 740, 520, 822, 570));
        String[] names = {"Grennick Pier", "Tolm Head", "Ostrey", "Skerrow", "Brannoch Quay"};
        int[][] places = {{420, 186}, {900, 168}, {380, 484}, {960, 436}, {822, 572}};
        for (int i = 0; i < names.length; i++) {
            g.setColor(Color.WHITE);
            g.fill(new Ellipse2D.Double(places[i][0] - 13, places[i][1] - 13, 26, 26));
            g.setColor(new Color(0xA63D2F));
            g.fill(new Ellipse2D.Double(places[i][0] - 9, places[i][1] - 9, 18, 18));
            g.setColor(INK);
            g.setFont(font(34));
            g.drawString(names[i], places[i][0] + 24, places[i][1] + (i < 2 ? -18 : 40));
        }
        g.setFont(font(46));
        g.drawString("O S T R E Y   S O U N D", 470, 400);
        g.dispose();
        return image(image, "png");
    }

    /** The ferry on the crossing, as a photograph would be stored. */
    static Image ferry() { return Drawn.FERRY; }

    private static Image drawFerry() {
        BufferedImage image = new BufferedImage(1200, 520, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = start(image);
        g.setPaint(new GradientPaint(0, 0, new Color(0xBFD5DC), 0, 330, new Color(0xEFE6D6)));
        g.fillRect(0, 0, 1200, 330);
        g.setPaint(new GradientPaint(0, 300, new Color(0x4F8496), 0, 520, new Color(0x234F5F)));
        g.fillRect(0, 300, 1200, 220);
        g.setColor(new Color(0x8FA7A5));
        Path2D hills = new Path2D.Double();
        hills.moveTo(0, 300);
        hills.curveTo(160, 210, 300, 250, 430, 262);
        hills.curveTo(620, 282, 800, 190, 1200, 282);
        hills.lineTo(1200, 300);
        hills.closePath();
        g.fill(hills);
        g.setColor(new Color(0xF4F1EA));
        g.fillRect(420, 220, 400, 70);
        g.fillRect(520, 170, 210, 55);
        g.setColor(new Color(0x6B2447));
        g.fillRect(600, 116, 46, 56);
        Path2D hull = new Path2D.Double();
        hull.moveTo(340, 286);
        hull.lineTo(890, 286);
        hull.lineTo(850, 356);
        hull.lineTo(385, 356);
        hull.closePath();
        g.setColor(INK);
        g.fill(hull);
        g.setColor(new Color(0x8EC1D2));
        for (int x = 440; x < 800; x += 44) g.fillRect(x, 240, 26, 20);
        for (int x = 540; x < 720; x += 40) g.fillRect(x, 188, 24, 16);
        g.setColor(new Color(255, 255, 255, 150));
        g.setStroke(new BasicStroke(4));
        for (int i = 0; i < 14; i++)
            g.draw(new CubicCurve2D.Double(40 + i * 84, 390 + i * 31 % 90, 60 + i * 84, 380 + i * 31 % 90, 80 + i * 84, 400 + i * 31 % 90, 104 + i * 84,
                    390 + i * 31 % 90));
        g.dispose();
        return image(image, "jpeg");
    }

    /** The company's mark: three waves under a sun. */
    static Image mark() { return Drawn.MARK; }

    private static Image drawMark() {
        BufferedImage image = new BufferedImage(300, 300, BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = start(image);
        g.setColor(INK);
        g.fill(new Ellipse2D.Double(0, 0, 300, 300));
        g.setColor(new Color(0xE9C46A));
        g.fill(new Ellipse2D.Double(105, 50, 90, 90));
        g.setColor(Color.WHITE);
        g.setStroke(new BasicStroke(14, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        for (int i = 0; i < 3; i++) {
            int y = 160 + i * 36;
            int inset = 46 + i * 22;
            g.draw(new CubicCurve2D.Double(inset, y, 110, y - 34, 190, y + 34, 300 - inset, y));
        }
        g.dispose();
        return image(image, "png");
    }

    private static Font font(float size) {
        try {
            return Font.createFont(Font.TRUETYPE_FONT, Face.class.getResourceAsStream("LiberationSans-Regular.ttf")).deriveFont(size);
        } catch (FontFormatException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Graphics2D start(BufferedImage image) {
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        return g;
    }

    private static Image image(BufferedImage image, String format) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, format, bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new Image("image/" + format, bytes.toByteArray());
    }
}
