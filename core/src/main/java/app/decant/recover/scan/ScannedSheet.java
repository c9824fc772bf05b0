package app.decant.recover.scan;

import app.decant.document.Picture;
import app.decant.pdf.read.Ink;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;

/**
 * A scanned page set straight and taken apart: its words with their looks, its rules, areas and pictures. All places in points from its top left corner.
 *
 * @param pictures parts of the page as pixels, with where they are
 * @param within   how many words stand in these, and stayed there
 */
public record ScannedSheet(double width, double height, List<Word> words, List<Ink.Stroke> rules, List<Ink.Fill> areas, List<Part> pictures,
        int within) {
    public ScannedSheet {
        words = List.copyOf(words);
        rules = List.copyOf(rules);
        areas = List.copyOf(areas);
        pictures = List.copyOf(pictures);
    }

    /** A line that lies for this much of its length within words is theirs. */
    private static final double LETTERS = 0.5;

    /** A word that was read. */
    public record Word(String text, double x, double baseline, double width, double size, boolean bold, int rgb) { }

    /** What is shown as it was scanned. */
    public record Part(BufferedImage pixels, double x, double y, double width, double height) { }

    /** A page of which nothing but words is known. */
    public static ScannedSheet ofWords(double width, double height, List<Picture.Word> words) {
        return new ScannedSheet(width, height, words.stream().map(word -> new Word(word.text(), word.x(), word.baseline(), word.width(), word.size(), false, 0))
                .toList(), List.of(), List.of(), List.of(), 0);
    }

    /**
     * What is found on a page.
     *
     * @param scan  the whole page; of any resolution
     * @param words as they were read on it, where they stand on the page as it was scanned
     */
    public static ScannedSheet of(BufferedImage scan, double width, double height, List<Picture.Word> words) {
        double skew = Skew.of(Bitmap.of(scan));
        BufferedImage straight = Skew.straightened(scan, skew);
        Bitmap ink = Bitmap.of(straight);
        double scale = width / scan.getWidth();
        List<Picture.Word> upright = straightened(words, skew, width, height);
        Colours colours = new Colours(straight, ink);
        List<Ink.Stroke> rules = new ArrayList<>(RuleFinder.find(ink, scale, colours));
        List<Ink.Fill> plain = AreaFinder.areas(straight, scale);
        rules.removeIf(rule -> isOfLetters(rule, upright) || plain.stream().anyMatch(area -> isAmongPaleLetters(rule, area)));
        Bitmap rest = ink.copy();
        BufferedImage bare = Skew.copy(straight);
        int paper = Colours.paper(straight);
        takeOut(upright, rules, scale, paper, rest, bare);
        AreaFinder areas = new AreaFinder(bare, rest, scale);
        List<Part> parts = new ArrayList<>();
        for (Rectangle frame : areas.pictures()) parts.add(new Part(straight.getSubimage(frame.x, frame.y, frame.width, frame.height), frame.x * scale,
                frame.y * scale, frame.width * scale, frame.height * scale));
        rules.removeIf(rule -> parts.stream().anyMatch(part -> isWithin(rule.x1(), rule.y1(), rule.x2(), rule.y2(), part)));
        List<Picture.Word> read = upright.stream().filter(word -> !isRule(word, rules)).toList();
        List<Picture.Word> outside = read.stream().filter(word -> parts.stream().noneMatch(part -> isWithin(word.x(), word.baseline() - word.size() / 2,
                word.x() + word.width(), word.baseline(), part))).toList();
        int within = (int) (read.stream().filter(ScannedSheet::isText).count() - outside.stream().filter(ScannedSheet::isText).count());
        return new ScannedSheet(width, height, WordLooks.of(outside, straight, paper, scale), rules, areas.fills(), parts, within);
    }

    /** The sheets of one document, whose words are as large on one page as on another. */
    public static List<ScannedSheet> alike(List<ScannedSheet> sheets) {
        List<Word> all = sheets.stream().flatMap(sheet -> sheet.words.stream()).toList();
        List<Double> sizes = WordLooks.sizes(all.stream().map(Word::text).toList(), all.stream().map(Word::size).toList());
        List<ScannedSheet> result = new ArrayList<>();
        int at = 0;
        for (ScannedSheet sheet : sheets) {
            List<Word> words = new ArrayList<>();
            for (Word word : sheet.words) words.add(new Word(word.text, word.x, word.baseline, word.width, sizes.get(at++), word.bold, word.rgb));
            result.add(new ScannedSheet(sheet.width, sheet.height, words, sheet.rules, sheet.areas, sheet.pictures, sheet.within));
        }
        return result;
    }

    private static Rectangle frame(double left, double top, double right, double bottom, double scale) {
        int x = (int) Math.floor(left / scale);
        int y = (int) Math.floor(top / scale);
        return new Rectangle(x, y, (int) Math.ceil(right / scale) - x, (int) Math.ceil(bottom / scale) - y);
    }

    private static Rectangle within(Rectangle frame, BufferedImage page) {
        return frame.intersection(new Rectangle(page.getWidth(), page.getHeight()));
    }

    /** Words and rules are taken out of what is still to be explained. */
    private static void takeOut(List<Picture.Word> words, List<Ink.Stroke> rules, double scale, int paper, Bitmap rest, BufferedImage bare) {
        for (Picture.Word word : words) {
            Rectangle letters = within(frame(word.x(), word.baseline() - word.size() * 0.7, word.x() + word.width(), word.baseline(), scale), bare);
            if (!letters.isEmpty()) takeOut(within(frame(word.x() - 1, word.baseline() - word.size() * 0.85, word.x() + word.width() + 1,
                    word.baseline() + word.size() * 0.3, scale), bare), Colours.beside(bare, letters, paper), rest, bare);
        }
        for (Ink.Stroke rule : rules) {
            Rectangle line = within(frame(rule.x1() - rule.width(), rule.y1() - rule.width(), rule.x2() + rule.width(), rule.y2() + rule.width(), scale), bare);
            if (!line.isEmpty()) takeOut(line, Colours.beside(bare, line, paper), rest, bare);
        }
    }

    /** What is known is taken out of the rest: its ink, and its pixels, which become what is behind it. */
    private static void takeOut(Rectangle frame, int behind, Bitmap rest, BufferedImage bare) {
        rest.clear(frame.x, frame.y, frame.x + frame.width, frame.y + frame.height);
        Graphics2D graphics = bare.createGraphics();
        graphics.setColor(new Color(behind));
        graphics.fill(frame);
        graphics.dispose();
    }

    /** Words of a page askew as they would stand on it set straight. */
    private static List<Picture.Word> straightened(List<Picture.Word> words, double skew, double width, double height) {
        if (skew == 0) return words;
        AffineTransform turn = Skew.straightening(skew, width, height);
        List<Picture.Word> straight = new ArrayList<>();
        for (Picture.Word word : words) {
            Point2D place = turn.transform(new Point2D.Double(word.x(), word.baseline()), null);
            straight.add(new Picture.Word(word.text(), place.getX(), place.getY(), word.width(), word.size()));
        }
        return straight;
    }

    private static boolean isWithin(double left, double top, double right, double bottom, Part part) {
        return left > part.x - 2 && right < part.x + part.width + 2 && top > part.y - 2 && bottom < part.y + part.height + 2;
    }

    /** Long strokes of large letters are no rules, nor is what rows of letters that touch each other have in common. */
    private static boolean isOfLetters(Ink.Stroke rule, List<Picture.Word> words) {
        double within = 0;
        for (Picture.Word word : words) {
            double least = word.baseline() - word.size() * 0.85;
            double most = word.baseline() + (rule.isAcross() ? -0.03 : 0.3) * word.size();
            if (rule.isAcross() && (rule.y1() < least || rule.y1() > most)) continue;
            if (!rule.isAcross() && (rule.y1() < least || rule.y2() > most || rule.x1() < word.x() || rule.x1() > word.x() + word.width())) continue;
            if (!rule.isAcross()) return true;
            within += Math.max(0, Math.min(rule.x2(), word.x() + word.width()) - Math.max(rule.x1(), word.x()));
        }
        return within > LETTERS * rule.length();
    }

    /** What is left between pale letters and the edge of their dark ground is no rule. */
    private static boolean isAmongPaleLetters(Ink.Stroke rule, Ink.Fill area) {
        return Colours.light(area.rgb()) < Colours.DARK_GROUND && rule.y1() > area.y() - 2 && rule.y2() < area.bottom() + 2
                && rule.x1() > area.x() - 2 && rule.x2() < area.right() + 2;
    }

    private static boolean isText(Picture.Word word) { return word.text().codePoints().anyMatch(Character::isLetterOrDigit); }

    /** Rules are read as bars and dashes, now and then. */
    private static boolean isRule(Picture.Word word, List<Ink.Stroke> rules) {
        if (isText(word)) return false;
        return rules.stream().anyMatch(rule -> rule.x1() < word.x() + word.width() + 1 && rule.x2() > word.x() - 1
                && rule.y1() < word.baseline() + 2 && rule.y2() > word.baseline() - word.size() && word.text().matches("[|_\\[\\]()\\\\/—–=-]+"));
    }
}
