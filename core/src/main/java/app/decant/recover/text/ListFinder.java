package app.decant.recover.text;

import app.decant.document.NumberFormat;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.pdf.read.Glyph;
import app.decant.recover.line.ListLabel;
import app.decant.recover.line.TextLine;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Tells which paragraphs are items of lists, of which list, and how deep. Paragraphs come in reading order, headings already known. */
public final class ListFinder {
    private static final double NEAR = 4;
    private static final String DASHES = "-\u2013\u2014\u2212*";

    private final List<Found> lists = new ArrayList<>();

    /** One level of a list: how it is labelled, and where label and text stand against the column's left edge. */
    public record Level(boolean bullet, NumberFormat format, String open, String close, int start, double labelLeft, double textLeft, Glyph sample,
            String bulletText, int parents) { }

    /** A list: its levels, outermost first. */
    public static final class Found {
        public final List<Level> levels = new ArrayList<>();
        final List<Integer> counts = new ArrayList<>();
        double frameLeft;
    }

    /** A label taken apart. */
    private record Label(int length, boolean bullet, String text, String open, String count, String close, double left, double textLeft, Glyph sample) { }

    public List<Found> lists() { return lists; }

    public void find(List<Para> paras) {
        Found current = null;
        int sinceItem = 0;
        for (int i = 0; i < paras.size(); i++) {
            Para para = paras.get(i);
            if (para.headingLevel() > 0 || para.isTitle()) {
                current = null;
                continue;
            }
            Label label = label(para);
            if (label == null) {
                if (++sinceItem > 2) current = null;
                continue;
            }
            int level = current == null ? -1 : levelFor(current, label, para.frameLeft());
            Found before = level < 0 ? belongsTo(label) : null;
            if (before != null) {
                current = before;
                level = 0;
            }
            if (level < 0 && (label.bullet || startsSeries(paras, i, label))) {
                current = new Found();
                current.frameLeft = para.frameLeft();
                lists.add(current);
                level = 0;
            }
            if (level < 0) {
                if (++sinceItem > 2) current = null;
                continue;
            }
            sinceItem = 0;
            while (current.levels.size() > level + 1 && level < current.counts.size() - 1) current.counts.remove(current.counts.size() - 1);
            if (level == current.levels.size()) {
                current.levels.add(level(label, para, level));
                current.counts.add(count(label));
            } else if (level == current.counts.size()) {
                current.counts.add(count(label));
            } else {
                current.counts.set(level, count(label));
            }
            para.item(new Para.ListItem(lists.indexOf(current), level, label.length, label.text));
            // One line that happens to stand in the middle, or to end at the edge, is set like the other items.
            if (para.alignment() == Alignment.CENTRE || para.alignment() == Alignment.END) para.align(Alignment.START);
        }
    }

    /** The list of clauses that a clause goes on with, though others stand between; null for other labels, and where there is none. */
    private Found belongsTo(Label label) {
        if (!label.open.endsWith(".")) return null;
        for (int i = lists.size() - 1; i >= 0; i--) {
            Found list = lists.get(i);
            if (list.levels.get(0).open.equals(label.open) && list.counts.get(0) + 1 == count(label)) return list;
        }
        return null;
    }

    /**
     * Tells items in a cell or a box, where lists begin anew. What stands behind a sign or a number there may be a figure: it is an item if it says words, and
     * a dash counts only together with others.
     */
    public void findApart(List<Para> paras) {
        List<Label> labels = new ArrayList<>();
        for (Para para : paras) {
            Label label = label(para);
            if (label != null && para.text().substring(label.length).codePoints().anyMatch(Character::isLetter)) labels.add(label);
        }
        boolean sign = labels.stream().anyMatch(label -> label.bullet && !DASHES.contains(label.text));
        if (!labels.isEmpty() && (sign || labels.size() > 1)) find(paras);
    }

    private static Label label(Para para) {
        TextLine line = para.first();
        String text = line.text();
        int length = ListLabel.length(text);
        if (length == 0 || length >= text.length()) return null;
        double textLeft = line.textAfterLabel();
        if (textLeft < 0) return null;
        int at = 0;
        for (Glyph glyph : line.glyphs()) {
            if (at >= length && !glyph.text().isBlank()) {
                textLeft = glyph.x();
                break;
            }
            at += glyph.text().length();
        }
        String[] number = ListLabel.number(text);
        boolean bullet = number == null;
        return new Label(length, bullet, text.substring(0, length).trim(), bullet ? "" : number[0], bullet ? "" : number[1], bullet ? "" : number[2],
                line.left(), textLeft, line.first());
    }

    /** The level of the current list that a label goes on with; one more than there are for a deeper one; -1 for none. */
    private static int levelFor(Found list, Label label, double frameLeft) {
        // Columns and pages have edges of their own: places count from there.
        double left = label.left - frameLeft;
        for (int i = Math.min(list.levels.size(), list.counts.size()) - 1; i >= 0; i--) {
            Level level = list.levels.get(i);
            if (Math.abs(level.labelLeft - left) > NEAR && Math.abs(level.textLeft - (label.textLeft - frameLeft)) > NEAR) continue;
            if (level.bullet != label.bullet) return -1;
            if (label.bullet) return level.bulletText.equals(label.text) ? i : -1;
            if (!level.open.equals(label.open) || !level.close.equals(label.close)) return -1;
            return value(lastPart(label.count), level.format) == list.counts.get(i) + 1 ? i : -1;
        }
        for (int i = list.levels.size() - 1; i >= list.counts.size(); i--) {
            Level level = list.levels.get(i);
            boolean fits = Math.abs(level.labelLeft - left) <= NEAR && level.bullet == label.bullet && (label.bullet ? level.bulletText.equals(label.text)
                    : level.close.equals(label.close) && value(lastPart(label.count), level.format) == level.start);
            if (fits && i == list.counts.size()) return i;
        }
        int deeper = list.counts.size();
        Level above = list.levels.get(deeper - 1);
        boolean further = left > above.labelLeft + NEAR;
        boolean first = label.bullet || "1 a A i I".contains(lastPart(label.count));
        return further && first && deeper == list.levels.size() && deeper < 9 ? deeper : -1;
    }

    /** A lone number starts a list when it is the first, or another of its series follows. */
    private static boolean startsSeries(List<Para> paras, int at, Label label) {
        NumberFormat format = format(label.count, null);
        int value = value(lastPart(label.count), format);
        for (int i = at + 1; i < Math.min(paras.size(), at + 8); i++) {
            Label other = label(paras.get(i));
            if (other == null || other.bullet || !other.close.equals(label.close) || !other.open.equals(label.open)) continue;
            if (Math.abs(other.left - label.left) < NEAR + 40 && value(lastPart(other.count), format(other.count, format)) == value + 1) return true;
        }
        return false;
    }

    private Level level(Label label, Para para, int depth) {
        int parents = label.count.contains(".") ? label.count.split("\\.").length - 1 : 0;
        NumberFormat format = label.bullet ? NumberFormat.BULLET : format(label.count, null);
        int start = label.bullet ? 1 : value(lastPart(label.count), format);
        return new Level(label.bullet, format, label.open, label.close, start, label.left - para.frameLeft(), label.textLeft - para.frameLeft(),
                label.sample, label.text, Math.min(parents, depth));
    }

    private static int count(Label label) { return label.bullet ? 0 : value(lastPart(label.count), format(label.count, null)); }

    private static String lastPart(String count) { return count.substring(count.lastIndexOf('.') + 1); }

    static NumberFormat format(String count, NumberFormat wish) {
        String last = lastPart(count);
        if (last.isEmpty() || Character.isDigit(last.charAt(0))) return NumberFormat.DECIMAL;
        boolean roman = last.toLowerCase(Locale.ROOT).matches("[ivxlc]+") && (last.length() > 1 || "iIvVxX".contains(last)
                && !(wish == NumberFormat.LOWER_LETTER || wish == NumberFormat.UPPER_LETTER));
        boolean upper = Character.isUpperCase(last.charAt(0));
        return roman ? upper ? NumberFormat.UPPER_ROMAN : NumberFormat.LOWER_ROMAN : upper ? NumberFormat.UPPER_LETTER : NumberFormat.LOWER_LETTER;
    }

    /** The count that a label stands for, found by writing counts until one reads the same. */
    public static int value(String last, NumberFormat format) {
        if (format == NumberFormat.DECIMAL) return last.isEmpty() || !Character.isDigit(last.charAt(0)) ? -1 : Integer.parseInt(last);
        for (int i = 1; i < 200; i++) if (format.write(i).equals(last)) return i;
        return -1;
    }
}
