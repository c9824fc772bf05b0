package app.decant.format.formula;

import app.decant.document.Picture;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.format.formula.FormulaBox.Making;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * Sets formulas: halves of fractions about the axis, roots and brackets as high as what they hold, raised and lowered parts smaller. Measures are those of
 * mathematical typesetting as it is commonly done (common practice, no source), in shares of the size.
 */
final class FormulaSetter {
    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);
    private static final String FAMILY = "Liberation Serif";
    private static final String OTHER_FAMILY = "Caladea";
    /** Hats, waves and arrows, which reach over all letters that they are of. */
    private static final String REACHING = "\u0302\u0303\u20D6\u20D7\u20E1";
    private static final double SCRIPT = 0.72;
    private static final double SECOND_SCRIPT = 0.58;
    private static final double LEAST_SIZE = 4.5;
    private static final double AXIS = 0.25;
    private static final double RULE = 0.05;
    private static final double GAP = 0.15;
    /** Spaces round signs of relation, round signs of reckoning, and after commas, in shares of the size. */
    private static final double RELATION = 5 / 18.0;
    private static final double SUM = 4 / 18.0;
    private static final double COMMA = 3 / 18.0;
    static final String RELATIONS = "=≠<>≤≥≈≡∼≃≅∝∈∉∋⊂⊃⊆⊇→←↔⇒⇐⇔↦≪≫⊥∥∣≔:";
    private static final String SUMS = "+−±∓×÷⋅∘∩∪∧∨⊕⊗∖∗";
    private static final String COMMAS = ",;";
    /** In pairs: square, with their upper half, with their lower half, single and double. */
    private static final String SQUARE = "[]⌈⌉⌊⌋|‖";
    private static final int DEEPEST = 40;

    private final FontCatalogue fonts;
    private final boolean display;
    private double whole;

    /** @param display whether the formula has lines of its own, where its parts may be larger */
    FormulaSetter(FontCatalogue fonts, boolean display) {
        this.fonts = fonts;
        this.display = display;
    }

    FormulaBox set(Formula formula, double size) {
        whole = size;
        return set(formula, size, 0);
    }

    private FormulaBox set(Formula formula, double size, int depth) {
        if (depth > DEEPEST) return FormulaBox.EMPTY;
        int in = depth + 1;
        if (formula instanceof Formula.Row row) return row(row, size, in);
        if (formula instanceof Formula.Letters letters) return letters(letters, size, false, false);
        if (formula instanceof Formula.Large large) return large(large.sign(), size);
        if (formula instanceof Formula.Fraction fraction) return fraction(fraction, size, in);
        if (formula instanceof Formula.Scripts scripts) return scripts(scripts, size, in);
        if (formula instanceof Formula.Limits limits) return limits(limits, size, in);
        if (formula instanceof Formula.Root root) return root(root, size, in);
        if (formula instanceof Formula.Fence fence) return fence(fence, size, in);
        if (formula instanceof Formula.Accent accent) return accent(accent, size, in);
        return grid((Formula.Grid) formula, size, in);
    }

    /** Of what is raised or lowered; that which is so again is not smaller than a share of the letters on the line. */
    private double smaller(double size) { return Math.max(LEAST_SIZE, Math.max(size * SCRIPT, whole * SECOND_SCRIPT)); }

    private FormulaBox row(Formula.Row row, double size, int depth) {
        Making made = new Making();
        double x = 0;
        boolean led = false;
        List<Formula> parts = new ArrayList<>();
        flatten(row, parts);
        for (int i = 0; i < parts.size(); i++) {
            Formula part = parts.get(i);
            boolean last = i == parts.size() - 1;
            FormulaBox box = part instanceof Formula.Letters letters ? letters(letters, size, led, !last) : set(part, size, depth);
            double clear = i > 0 && (isLarge(part) || isLarge(parts.get(i - 1))) ? COMMA * size : 0;
            made.put(box, x + clear, 0);
            x += clear + box.width();
            // Behind a sign that asks for something, the next sign stands before a number.
            led = !(part instanceof Formula.Letters letters) || !asks(letters.text().codePoints().filter(c -> c != ' ').reduce(0, (before, c) -> c));
        }
        return made.wide(x).box();
    }

    /** Signs that work on what follows stand clear of it, with all that is written at them. */
    private static boolean isLarge(Formula part) {
        return part instanceof Formula.Large || part instanceof Formula.Limits limits && isLarge(limits.base())
                || part instanceof Formula.Scripts scripts && isLarge(scripts.base());
    }

    /** Rows within rows, as markup groups them, as one. */
    private static void flatten(Formula.Row row, List<Formula> parts) {
        for (Formula part : row.parts()) {
            if (part instanceof Formula.Row inner && !inner.parts().isEmpty()) flatten(inner, parts);
            else parts.add(part);
        }
    }

    /** @param led whether something stands before that a sign can stand between @param followed whether something stands behind */
    private FormulaBox letters(Formula.Letters letters, double size, boolean led, boolean followed) {
        Making made = new Making();
        double x = 0;
        int[] points = letters.text().codePoints().filter(c -> !Character.isISOControl(c)).toArray();
        StringBuilder word = new StringBuilder();
        double start = 0;
        boolean leads = !led && (followed || points.length > 1);
        for (int i = 0; i < points.length; i++) {
            double space = letters.words() ? 0 : space(points, i, leads) * size;
            boolean apart = space > 0 || Character.isWhitespace(points[i]);
            if (apart) word(word, start, x, size, made);
            double before = COMMAS.indexOf(points[i]) >= 0 || i == 0 && leads ? 0 : space;
            if (word.isEmpty()) start = x + before;
            FormulaBox box = glyph(points[i], letters, size);
            made.put(box, x + before, 0);
            x += before + box.width();
            word.appendCodePoint(points[i]);
            if (apart) word(word, start, x, size, made);
            x += space;
        }
        word(word, start, x, size, made);
        return made.wide(x).box();
    }

    private static void word(StringBuilder word, double start, double end, double size, Making made) {
        if (!word.toString().isBlank())
            made.put(new FormulaBox(0, 0, 0, List.of(), List.of(new Picture.Word(word.toString(), 0, 0, end - start, size))), start, 0);
        word.setLength(0);
    }

    private static boolean asks(int sign) { return RELATIONS.indexOf(sign) >= 0 || SUMS.indexOf(sign) >= 0 || "([{,;".indexOf(sign) >= 0; }

    /** The space round a sign; none round one that stands before a number. */
    private static double space(int[] points, int at, boolean leads) {
        int sign = points[at] == '-' ? '−' : points[at];
        if (COMMAS.indexOf(sign) >= 0) return COMMA;
        if (RELATIONS.indexOf(sign) >= 0) return RELATION;
        if (SUMS.indexOf(sign) < 0) return 0;
        return at == 0 ? leads ? 0 : SUM : asks(points[at - 1]) ? 0 : SUM;
    }

    private FormulaBox glyph(int letter, Formula.Letters style, double size) {
        int sign = letter == '-' && !style.words() ? '−' : letter;
        Face face = face(sign, style.bold(), style.italic() && Character.isLetter(sign));
        if (!face.shows(sign)) {
            // Of an alphabet that no face here has: the letter in another face than the others, rather than none.
            String plain = Normalizer.normalize(Character.toString(sign), Normalizer.Form.NFKC);
            if (plain.codePointCount(0, plain.length()) == 1) {
                sign = plain.codePointAt(0);
                face = fonts.fallback(fonts.match(OTHER_FAMILY, style.bold(), true).face(), sign);
            }
        }
        double width = face.shape(Character.toString(sign), false, false, false).width() * size;
        // Slanted letters lean out of their width.
        double lean = face.italic() && !style.words() ? 0.04 * size : 0;
        Making made = new Making().high(face.ascent() * size * 0.8, face.descent() * size * 0.8).wide(width + lean);
        Shape outline = outline(face, sign, size);
        if (!outline.getBounds2D().isEmpty()) made.path(new Path2D.Double(outline));
        FormulaBox box = made.box();
        return new FormulaBox(width + lean, box.ascent(), box.descent(), box.outlines(), List.of());
    }

    private Face face(int letter, boolean bold, boolean italic) { return fonts.fallback(fonts.match(FAMILY, bold, italic).face(), letter); }

    private static Shape outline(Face face, int letter, double size) {
        String text = Character.toString(letter);
        double scale = size / face.unitsPerEm();
        int[] glyphs = face.shape(text, false, false, false).glyphs();
        return AffineTransform.getScaleInstance(scale, scale).createTransformedShape(face.drawn().createGlyphVector(EXACT, glyphs).getOutline());
    }

    /** A sign stretched to reach from one height to another; as it is where it reaches so far already. */
    private FormulaBox stretched(String sign, double size, double up, double down) {
        if (sign.isEmpty()) return FormulaBox.EMPTY;
        int letter = sign.codePointAt(0);
        Face face = face(letter, false, false);
        Shape outline = outline(face, letter, size);
        Rectangle2D box = outline.getBounds2D();
        double width = face.shape(Character.toString(letter), false, false, false).width() * size;
        Making made = new Making().wide(width);
        if (box.isEmpty()) return made.box();
        Picture.Word word = new Picture.Word(sign, 0, 0, width, size);
        FormulaBox read = new FormulaBox(width, 0, 0, List.of(), List.of(word));
        if (SQUARE.contains(sign) && up + down > 0) return square(made, sign, size, up, down).put(read, 0, 0).box();
        double wanted = up + down;
        Path2D path = new Path2D.Double(outline);
        if (wanted > box.getHeight()) {
            AffineTransform fit = AffineTransform.getTranslateInstance(0, -up);
            fit.scale(1, wanted / box.getHeight());
            fit.translate(0, -box.getY());
            path = new Path2D.Double(outline, fit);
        }
        return made.path(path).put(read, 0, 0).box();
    }

    /** Brackets of straight lines are drawn, so that those lines are as thick at any height. */
    private static Making square(Making made, String sign, double size, double up, double down) {
        double rule = RULE * 1.3 * size;
        double tick = 0.2 * size;
        int kind = SQUARE.indexOf(sign);
        boolean closes = kind % 2 == 1 && kind < 6;
        double x = closes ? 0.06 * size + tick - rule : 0.1 * size;
        double from = closes ? 0.06 * size : x;
        made.bar(x, -up, rule, up + down);
        if (kind == 7) made.bar(x + 0.14 * size, -up, rule, up + down);
        if (kind < 4) made.bar(from, -up, tick, rule);
        if (kind < 2 || kind == 4 || kind == 5) made.bar(from, down - rule, tick, rule);
        return made;
    }

    private FormulaBox large(String sign, double size) {
        double height = size * (display ? sign.equals("∫") ? 2.1 : 1.4 : sign.equals("∫") ? 1.4 : 1.05);
        double axis = AXIS * size;
        return stretched(sign.isEmpty() ? "\u200B" : sign, display ? size * 1.3 : size, axis + height / 2, height / 2 - axis);
    }

    private FormulaBox fraction(Formula.Fraction fraction, double size, int depth) {
        double inner = display && depth <= 3 ? size : smaller(size);
        FormulaBox over = set(fraction.over(), inner, depth);
        FormulaBox under = set(fraction.under(), inner, depth);
        if (fraction.line() == Formula.Line.SLANT) {
            double height = Math.max(over.height(), under.height());
            FormulaBox stroke = stretched("/", size, height * 0.7, height * 0.3);
            return new Making().put(over, 0, 0).put(stroke, over.width(), 0).put(under, over.width() + stroke.width(), 0).box();
        }
        double axis = AXIS * size;
        double rule = RULE * size;
        double gap = GAP * size;
        double side = 0.1 * size;
        double width = Math.max(over.width(), under.width()) + side;
        Making made = new Making().put(over, side + (width - over.width()) / 2, -axis - rule / 2 - gap - over.descent());
        made.put(under, side + (width - under.width()) / 2, -axis + rule / 2 + gap + under.ascent());
        if (fraction.line() == Formula.Line.BAR) made.bar(side, -axis - rule / 2, width, rule);
        return made.wide(width + 2 * side).box();
    }

    private FormulaBox scripts(Formula.Scripts scripts, double size, int depth) {
        FormulaBox base = set(scripts.base(), size, depth);
        FormulaBox below = scripts.below() == null ? null : set(scripts.below(), smaller(size), depth);
        FormulaBox above = scripts.above() == null ? null : set(scripts.above(), smaller(size), depth);
        double rise = above == null ? 0 : Math.max(0.36 * size, base.ascent() - 0.45 * size);
        double drop = below == null ? 0 : Math.max(0.2 * size, base.descent() - 0.05 * size);
        if (above != null && below != null) {
            // Both stand clear of each other.
            double between = rise - above.descent() + drop - below.ascent();
            double least = 3 * RULE * size;
            if (between < least) {
                rise += (least - between) / 2;
                drop += (least - between) / 2;
            }
        }
        double width = Math.max(below == null ? 0 : below.width(), above == null ? 0 : above.width()) + 0.05 * size;
        double start = scripts.before() ? width : 0;
        double at = scripts.before() ? 0 : base.width() + 0.03 * size;
        Making made = new Making().put(base, start, 0);
        if (above != null) made.put(above, scripts.before() ? width - above.width() : at, -rise);
        if (below != null) made.put(below, scripts.before() ? width - below.width() : at, drop);
        return made.wide(base.width() + width).box();
    }

    private FormulaBox limits(Formula.Limits limits, double size, int depth) {
        FormulaBox base = set(limits.base(), size, depth);
        FormulaBox under = limits.under() == null ? FormulaBox.EMPTY : set(limits.under(), smaller(size), depth);
        FormulaBox over = limits.over() == null ? FormulaBox.EMPTY : set(limits.over(), smaller(size), depth);
        double gap = 0.12 * size;
        double width = Math.max(base.width(), Math.max(under.width(), over.width()));
        Making made = new Making().put(base, (width - base.width()) / 2, 0);
        if (limits.over() != null) made.put(over, (width - over.width()) / 2, -base.ascent() - gap - over.descent());
        if (limits.under() != null) made.put(under, (width - under.width()) / 2, base.descent() + gap + under.ascent());
        return made.wide(width).box();
    }

    private FormulaBox root(Formula.Root root, double size, int depth) {
        FormulaBox base = set(root.base(), size, depth);
        double rule = RULE * size;
        double top = -base.ascent() - 2 * rule - 0.08 * size;
        double bottom = base.descent() + 0.03 * size;
        double height = bottom - top;
        FormulaBox degree = root.degree() == null ? FormulaBox.EMPTY : set(root.degree(), Math.max(LEAST_SIZE, size * 0.5), depth);
        double start = Math.max(0, degree.width() - 0.25 * size);
        double hook = 0.55 * size;
        Path2D sign = new Path2D.Double();
        // The short rise, the thick fall, the thin rise to the bar.
        double knee = bottom - Math.min(height * 0.5, 0.55 * size);
        sign.moveTo(start, knee + 0.08 * size);
        sign.lineTo(start + 0.16 * size, knee - 0.02 * size);
        sign.lineTo(start + 0.33 * size, bottom - 0.14 * size);
        sign.lineTo(start + hook - rule, top);
        sign.lineTo(start + hook + base.width() + 0.08 * size, top);
        sign.lineTo(start + hook + base.width() + 0.08 * size, top + rule);
        sign.lineTo(start + hook, top + rule);
        sign.lineTo(start + 0.34 * size, bottom);
        sign.lineTo(start + 0.30 * size, bottom);
        sign.lineTo(start + 0.13 * size, knee + 0.05 * size);
        sign.lineTo(start + 0.02 * size, knee + 0.12 * size);
        sign.closePath();
        FormulaBox mark = new FormulaBox(0, 0, 0, List.of(), List.of(new Picture.Word("√", start, 0, hook, size)));
        Making made = new Making().path(sign);
        if (root.degree() != null) made.put(degree, Math.max(0, start + 0.25 * size - degree.width()), knee - 0.1 * size - degree.descent());
        return made.put(mark, 0, 0).put(base, start + hook, 0).wide(start + hook + base.width() + 0.12 * size).box();
    }

    private FormulaBox fence(Formula.Fence fence, double size, int depth) {
        List<FormulaBox> parts = new ArrayList<>();
        for (Formula part : fence.parts()) parts.add(set(part, size, depth));
        double axis = AXIS * size;
        // As far above the axis as below it.
        double reach = parts.stream().mapToDouble(box -> Math.max(box.ascent() - axis, box.descent() + axis)).max().orElse(0) + 0.02 * size;
        double up = axis + reach;
        double down = reach - axis;
        boolean grows = up + down > 1.15 * size;
        Making made = new Making();
        double x = 0;
        for (int i = 0; i <= parts.size(); i++) {
            String sign = i == 0 ? fence.open() : i == parts.size() ? fence.close() : fence.between();
            FormulaBox own = grows ? stretched(sign, size, up, down) : stretched(sign, size, 0, 0);
            made.put(own, x, 0);
            x += own.width() + (i > 0 && i < parts.size() && COMMAS.contains(sign) && !sign.isEmpty() ? COMMA * size : 0);
            if (i == parts.size()) continue;
            made.put(parts.get(i), x, 0);
            x += parts.get(i).width();
        }
        return made.wide(x).box();
    }

    private FormulaBox accent(Formula.Accent accent, double size, int depth) {
        FormulaBox base = set(accent.base(), size, depth);
        Making made = new Making().put(base, 0, 0);
        double gap = 0.06 * size;
        int sign = accent.sign().isEmpty() ? ' ' : accent.sign().codePointAt(0);
        boolean bar = sign == 0x305 || sign == 0x304 || sign == 0xAF || sign == 0x203E || sign == 0x332 || sign == '_';
        if (bar) return made.bar(0, accent.under() ? base.descent() + gap : -base.ascent() - gap, base.width(), RULE * size).box();
        Path2D path = wide(sign, size);
        Rectangle2D box = path.getBounds2D();
        if (box.isEmpty()) return made.box();
        double share = base.width() / box.getWidth();
        double across = accent.stretches() ? share : Math.min(REACHING.indexOf(sign) >= 0 ? share : 1, Math.max(0.6, share));
        double down = accent.stretches() ? Math.min(1, 0.3 * size / box.getHeight()) : 1;
        double y = accent.under() ? base.descent() + gap : -base.ascent() - gap - box.getHeight() * down;
        AffineTransform fit = AffineTransform.getTranslateInstance((base.width() - box.getWidth() * across) / 2, y);
        fit.scale(across, down);
        fit.translate(-box.getX(), -box.getY());
        return made.path(new Path2D.Double(path, fit)).box();
    }

    /** The outline of a sign that stands across: braces and brackets are upright ones laid down, marks that join letters are those beside them. */
    private Path2D wide(int sign, double size) {
        String upright = switch (sign) {
            case 0x23DE -> "{";
            case 0x23DF -> "}";
            case 0x23B4, 0x23DC -> sign == 0x23DC ? "(" : "[";
            case 0x23B5, 0x23DD -> sign == 0x23DD ? ")" : "]";
            default -> null;
        };
        if (upright != null) return new Path2D.Double(outline(face(upright.charAt(0), false, false), upright.charAt(0), size),
                AffineTransform.getQuadrantRotateInstance(1));
        int beside = switch (sign) {
            case 0x302 -> 0x2C6;
            case 0x303 -> 0x2DC;
            case 0x300 -> 0x60;
            case 0x301 -> 0xB4;
            case 0x306 -> 0x2D8;
            case 0x307 -> 0x2D9;
            case 0x308 -> 0xA8;
            case 0x30C -> 0x2C7;
            case 0x20D7 -> 0x2192;
            case 0x20D6 -> 0x2190;
            default -> sign;
        };
        double scale = beside == 0x2192 || beside == 0x2190 ? 0.75 : 1;
        return new Path2D.Double(outline(face(beside, false, false), beside, size * scale));
    }

    private FormulaBox grid(Formula.Grid grid, double size, int depth) {
        List<List<FormulaBox>> rows = new ArrayList<>();
        for (List<Formula> row : grid.rows()) {
            List<FormulaBox> boxes = new ArrayList<>();
            for (Formula cell : row) boxes.add(set(cell, size, depth));
            rows.add(boxes);
        }
        int count = rows.stream().mapToInt(List::size).max().orElse(0);
        double[] widths = new double[count];
        for (List<FormulaBox> row : rows) for (int i = 0; i < row.size(); i++) widths[i] = Math.max(widths[i], row.get(i).width());
        double between = 0.35 * size;
        double height = rows.stream().mapToDouble(row -> most(row, FormulaBox::ascent, size * 0.7) + most(row, FormulaBox::descent, size * 0.2)).sum()
                + Math.max(0, rows.size() - 1) * between;
        double y = -AXIS * size - height / 2;
        Making made = new Making();
        for (List<FormulaBox> row : rows) {
            double baseline = y + most(row, FormulaBox::ascent, size * 0.7);
            double x = 0;
            for (int i = 0; i < row.size(); i++) {
                double free = widths[i] - row.get(i).width();
                made.put(row.get(i), x + (!grid.equations() ? free / 2 : i % 2 == 0 && count > 1 ? free : 0), baseline);
                x += widths[i] + (grid.equations() ? i % 2 == 0 ? 0 : size : 0.8 * size);
            }
            y = baseline + most(row, FormulaBox::descent, size * 0.2) + between;
        }
        return made.box();
    }

    private static double most(List<FormulaBox> row, ToDoubleFunction<FormulaBox> of, double least) {
        return Math.max(least, row.stream().mapToDouble(of).max().orElse(0));
    }
}
