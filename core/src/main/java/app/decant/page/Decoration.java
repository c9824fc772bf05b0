package app.decant.page;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.TextProperty.Underline;
import app.decant.font.Shaped;

/** Lines under and through text, and the leaders of tabs. */
final class Decoration {
    private Decoration() { }

    static void lines(Piece.Glyphs glyphs, double left, double baseline, Colour colour, Canvas canvas) {
        TextStyle style = glyphs.style();
        double x = left + glyphs.x();
        if (style.underline() == Underline.WORDS) {
            for (int g = 0; g < glyphs.glyphs().length; g++) {
                boolean space = glyphs.text().charAt(glyphs.clusters()[g]) == ' ';
                if (!space) underline(style, left + glyphs.glyphX()[g], glyphs.glyphX()[g + 1] - glyphs.glyphX()[g], baseline, canvas);
            }
        } else if (style.underline() != Underline.NONE) {
            underline(style, x, glyphs.width(), baseline, canvas);
        }
        double thickness = Math.max(0.4, style.face().underlineThickness() * style.size());
        double middle = baseline - style.raise() - style.size() * 0.28;
        if (style.strike()) line(x, glyphs.width(), middle, thickness, Border.Line.SINGLE, colour, canvas);
        if (style.doubleStrike()) {
            line(x, glyphs.width(), middle - thickness, thickness * 0.8, Border.Line.SINGLE, colour, canvas);
            line(x, glyphs.width(), middle + thickness, thickness * 0.8, Border.Line.SINGLE, colour, canvas);
        }
    }

    static void underline(TextStyle style, double x, double width, double baseline, Canvas canvas) {
        Colour colour = style.colour().isAutomatic() ? Colour.BLACK : style.colour();
        double thickness = Math.max(0.4, style.face().underlineThickness() * style.size());
        double y = baseline - style.raise() + style.face().underlineOffset() * style.size();
        switch (style.underline()) {
            case DOUBLE -> {
                line(x, width, y, thickness * 0.7, Border.Line.SINGLE, colour, canvas);
                line(x, width, y + thickness * 1.6, thickness * 0.7, Border.Line.SINGLE, colour, canvas);
            }
            case THICK -> line(x, width, y, thickness * 2, Border.Line.SINGLE, colour, canvas);
            case DOTTED -> line(x, width, y, thickness, Border.Line.DOTTED, colour, canvas);
            case DASHED, WAVE -> line(x, width, y, thickness, Border.Line.DASHED, colour, canvas);
            default -> line(x, width, y, thickness, Border.Line.SINGLE, colour, canvas);
        }
    }

    private static void line(double x, double width, double y, double thickness, Border.Line kind, Colour colour, Canvas canvas) {
        canvas.rule(x, y, x + width, y, new Border(kind, thickness, colour, 0));
    }

    /**
     * Fills the way to a tab stop with the sign of its leader, set on a grid so that leaders of several lines stand under each other; a line to write
     * or sign on is as long as the way, its strokes a little over each other.
     */
    static void leader(Piece.Tab tab, double left, double baseline, Canvas canvas) {
        String sign = switch (tab.leader()) {
            case NONE -> null;
            case DOTS -> ".";
            case HYPHENS -> "-";
            case LINE -> "_";
            case MIDDLE_DOTS -> "\u00B7";
        };
        if (sign == null || tab.width() <= 0) return;
        TextStyle style = tab.style();
        Shaped one = style.face().shape(sign, false, false, false);
        double advance = one.width() * style.size();
        double start = left + tab.x();
        double end = start + tab.width();
        boolean whole = tab.leader() == TabStop.Leader.LINE;
        double first = whole ? start : Math.ceil((start + advance * 0.2) / advance) * advance;
        int count = whole ? (int) Math.ceil(tab.width() / advance - 1e-6) : (int) Math.floor((end - first) / advance + 1e-6);
        if (count < 1 || advance <= 0 || advance > tab.width()) return;
        double step = whole && count > 1 ? (tab.width() - advance) / (count - 1) : advance;
        int[] glyphs = new int[count];
        int[] clusters = new int[count];
        float[] x = new float[count + 1];
        for (int i = 0; i <= count; i++) {
            x[i] = (float) (first - left + (i < count ? i * step : (count - 1) * step + advance));
            if (i == count) break;
            glyphs[i] = one.glyphs()[0];
            clusters[i] = i;
        }
        Colour colour = style.colour().isAutomatic() ? Colour.BLACK : style.colour();
        canvas.glyphs(new Piece.Glyphs(style, sign.repeat(count), tab.start(), tab.start(), glyphs, x, null, clusters, false), left, baseline, colour);
    }
}
