package app.decant.format.formula;

import java.util.List;

/** Formulas in a line of letters, in the manner of Unicode's plain text for mathematics: a/b, a_i, x^2, √(x). Common practice, no source. */
final class FormulaLine {
    private FormulaLine() { }

    static void write(Formula formula, StringBuilder line) {
        if (formula instanceof Formula.Row row) row.parts().forEach(part -> write(part, line));
        else if (formula instanceof Formula.Letters letters) line.append(letters.text());
        else if (formula instanceof Formula.Large large) line.append(large.sign());
        else if (formula instanceof Formula.Fraction fraction) {
            grouped(fraction.over(), line);
            line.append(fraction.line() == Formula.Line.NONE ? "¦" : "/");
            grouped(fraction.under(), line);
        } else if (formula instanceof Formula.Scripts scripts) {
            if (!scripts.before()) write(scripts.base(), line);
            behind("_", scripts.below(), line);
            behind("^", scripts.above(), line);
            if (scripts.before()) write(scripts.base(), line);
        } else if (formula instanceof Formula.Limits limits) {
            write(limits.base(), line);
            behind("_", limits.under(), line);
            behind("^", limits.over(), line);
        } else if (formula instanceof Formula.Root root) {
            line.append('√');
            if (root.degree() != null) line.append('[').append(root.degree().inWords()).append(']');
            line.append('(').append(root.base().inWords()).append(')');
        } else if (formula instanceof Formula.Fence fence) {
            line.append(fence.open());
            for (int i = 0; i < fence.parts().size(); i++) {
                if (i > 0) line.append(fence.between());
                write(fence.parts().get(i), line);
            }
            line.append(fence.close());
        } else if (formula instanceof Formula.Accent accent) {
            grouped(accent.base(), line);
            line.append(accent.sign());
        } else if (formula instanceof Formula.Grid grid) {
            for (List<Formula> row : grid.rows()) {
                for (Formula cell : row) {
                    write(cell, line);
                    line.append(' ');
                }
                line.append("; ");
            }
        }
    }

    private static void behind(String sign, Formula part, StringBuilder line) {
        if (part == null || part.inWords().isEmpty()) return;
        line.append(sign);
        grouped(part, line);
    }

    /** In brackets where it is more than a letter or a number. */
    private static void grouped(Formula part, StringBuilder line) {
        String own = part.inWords();
        boolean single = own.codePointCount(0, own.length()) <= 1 || own.chars().allMatch(Character::isLetterOrDigit);
        line.append(single ? own : "(" + own + ")");
    }
}
