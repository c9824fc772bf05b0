package app.decant.recover.scan;

import app.decant.document.Picture;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Marks that stand alone and were passed over when words were recognised: bullets and dashes before lines, which are told by their shape; and numbers of lists
 * and of narrow columns, which are put below each other on a sheet of their own, to be recognised there.
 */
public final class LoneMarks {
    private static final int ROW = 72;
    private static final int MARGIN = 24;
    private static final int MOST = 300;
    private static final int MOST_SPOTS = 5000;
    private static final int LONGEST = 8;
    /** As shares of the size of text. */
    private static final double LETTERS_APART = 0.28;
    private static final double BEFORE_LINE = 4;

    private final BufferedImage page;
    private final double scale;
    private final List<Picture.Word> words;
    private final double usual;
    private final List<Picture.Word> signs = new ArrayList<>();
    private final List<Rectangle> unread = new ArrayList<>();

    /**
     * @param page  set straight
     * @param scale points a pixel
     * @param words recognised on it so far
     */
    LoneMarks(BufferedImage page, double scale, List<Picture.Word> words) {
        this.page = page;
        this.scale = scale;
        this.words = words;
        List<Double> sizes = words.stream().map(Picture.Word::size).sorted().toList();
        usual = sizes.isEmpty() ? 10 : sizes.get(sizes.size() / 2);
        Bitmap rest = Bitmap.of(page);
        for (Picture.Word word : words) rest.clear((int) ((word.x() - 1) / scale), (int) ((word.baseline() - word.size()) / scale),
                (int) ((word.x() + word.width() + 1) / scale) + 1, (int) ((word.baseline() + word.size() * 0.35) / scale) + 1);
        for (Rectangle mark : marks(rest.spots((int) (2 * usual / scale)))) sort(mark, rest);
    }

    /** Spots beside each other are letters of one mark. */
    private List<Rectangle> marks(List<Bitmap.Spot> spots) {
        List<Rectangle> marks = new ArrayList<>();
        List<Bitmap.Spot> sorted = new ArrayList<>(spots);
        sorted.removeIf(spot -> spot.ink() < 5);
        // A raster or a photograph, not marks among words.
        if (sorted.size() > MOST_SPOTS) return marks;
        sorted.sort(Comparator.comparingInt(Bitmap.Spot::left));
        for (Bitmap.Spot spot : sorted) {
            Rectangle frame = new Rectangle(spot.left(), spot.top(), spot.width(), spot.height());
            Rectangle wide = new Rectangle(frame);
            wide.grow((int) (LETTERS_APART * usual / scale), 0);
            Rectangle into = null;
            // The dot of an i, and a full stop, stand above and below.
            for (Rectangle mark : marks) if (mark.y < frame.y + frame.height + usual * 0.3 / scale && frame.y < mark.y + mark.height + usual * 0.3 / scale
                    && mark.x < wide.x + wide.width && wide.x < mark.x + mark.width) into = mark;
            if (into == null) marks.add(frame);
            else into.add(frame);
        }
        return marks;
    }

    private void sort(Rectangle mark, Bitmap rest) {
        double width = mark.width * scale / usual;
        double height = mark.height * scale / usual;
        Picture.Word line = line(mark);
        double full = (double) rest.count(mark.x, mark.y, mark.x + mark.width, mark.y + mark.height) / mark.width / mark.height;
        boolean sign = line != null && full > 0.55 && isMiddle(mark, line);
        if (sign && Math.max(width, height) < 0.6 && Math.min(width, height) > 0.15 && Math.abs(width - height) < 0.15) {
            signs.add(word("•", mark, line));
        } else if (sign && width > 0.25 && width < 1.2 && height < 0.2) {
            signs.add(word(width < 0.4 ? "-" : "–", mark, line));
        } else if (height > 0.4 && height < 1.5 && width > 0.12 && width < 6 && full < 0.85 && unread.size() < MOST) {
            unread.add(mark);
        }
    }

    private boolean isMiddle(Rectangle mark, Picture.Word line) {
        double middle = (mark.y + mark.height / 2.0) * scale;
        return middle > line.baseline() - 0.7 * line.size() && middle < line.baseline() - 0.1 * line.size();
    }

    /** The next word after a mark, on its line. */
    private Picture.Word line(Rectangle mark) {
        double right = (mark.x + mark.width) * scale;
        double middle = (mark.y + mark.height / 2.0) * scale;
        return words.stream().filter(word -> word.x() > right && word.x() - right < BEFORE_LINE * usual && middle < word.baseline() + 0.1 * word.size()
                && middle > word.baseline() - word.size()).min(Comparator.comparingDouble(Picture.Word::x)).orElse(null);
    }

    private Picture.Word word(String text, Rectangle mark, Picture.Word line) {
        return new Picture.Word(text, mark.x * scale, line.baseline(), Math.max(0.1, mark.width * scale), line.size());
    }

    public List<Picture.Word> signs() { return signs; }

    public boolean isEmpty() { return unread.isEmpty(); }

    /** What is still to be recognised, one mark in each row. */
    public BufferedImage sheet() {
        int widest = unread.stream().mapToInt(mark -> mark.width).max().orElse(1);
        BufferedImage sheet = new BufferedImage(widest + 2 * MARGIN, unread.size() * ROW, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = sheet.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, sheet.getWidth(), sheet.getHeight());
        for (int i = 0; i < unread.size(); i++) {
            Rectangle mark = unread.get(i);
            double factor = Math.min(1, (ROW - 20.0) / mark.height);
            int height = (int) Math.round(mark.height * factor);
            graphics.drawImage(page.getSubimage(mark.x, mark.y, mark.width, mark.height), MARGIN, i * ROW + ROW - 18 - height,
                    (int) Math.max(1, mark.width * factor), height, null);
        }
        graphics.dispose();
        return sheet;
    }

    /** What was recognised on the sheet, in its pixels, where it stands on the page. */
    public List<Picture.Word> placed(List<Picture.Word> recognised) {
        StringBuilder[] texts = new StringBuilder[unread.size()];
        for (Picture.Word word : recognised) {
            int row = (int) (word.baseline() - 1) / ROW;
            if (row < 0 || row >= texts.length) continue;
            if (texts[row] == null) texts[row] = new StringBuilder();
            texts[row].append(word.text());
        }
        List<Picture.Word> placed = new ArrayList<>();
        for (int i = 0; i < texts.length; i++) {
            if (texts[i] == null || texts[i].length() > LONGEST || texts[i].codePoints().noneMatch(Character::isLetterOrDigit)) continue;
            Rectangle mark = unread.get(i);
            Picture.Word line = beside(mark);
            placed.add(new Picture.Word(texts[i].toString(), mark.x * scale, line == null ? (mark.y + mark.height) * scale : line.baseline(),
                    Math.max(0.1, mark.width * scale), line == null ? usual : line.size()));
        }
        return placed;
    }

    /** A word on whose line a mark stands, wherever on it. */
    private Picture.Word beside(Rectangle mark) {
        double foot = (mark.y + mark.height) * scale;
        double middle = (mark.x + mark.width / 2.0) * scale;
        return words.stream().filter(word -> Math.abs(word.baseline() - foot) < 0.3 * word.size())
                .min(Comparator.comparingDouble(word -> Math.abs(word.x() + word.width() / 2 - middle))).orElse(null);
    }
}
