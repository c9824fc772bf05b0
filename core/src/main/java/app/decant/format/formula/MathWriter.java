package app.decant.format.formula;

import app.decant.xml.XmlWriter;
import java.util.List;

/** Writes formulas as MathML 3 in presentation markup, for OpenDocument and web pages. */
final class MathWriter {
    private final XmlWriter xml = new XmlWriter();

    private MathWriter() { }

    static String markup(Formula formula, boolean display) {
        MathWriter writer = new MathWriter();
        writer.xml.open("math", "xmlns", "http://www.w3.org/1998/Math/MathML", "display", display ? "block" : "inline");
        writer.row(formula);
        writer.xml.close();
        return writer.xml.markup();
    }

    /** As one element, whatever it is. */
    private void row(Formula formula) {
        xml.open("mrow");
        write(formula);
        xml.close();
    }

    private void element(String name, Formula... parts) {
        xml.open(name);
        for (Formula part : parts) row(part);
        xml.close();
    }

    private void sign(String sign, String... attributes) { xml.open("mo", (Object[]) attributes).text(sign).close(); }

    private void write(Formula formula) {
        if (formula instanceof Formula.Row row) row.parts().forEach(this::write);
        else if (formula instanceof Formula.Letters letters) letters(letters);
        else if (formula instanceof Formula.Large large) sign(large.sign(), "stretchy", "true");
        else if (formula instanceof Formula.Fraction fraction) fraction(fraction);
        else if (formula instanceof Formula.Scripts scripts) scripts(scripts);
        else if (formula instanceof Formula.Limits limits) {
            if (limits.under() != null && limits.over() != null) element("munderover", limits.base(), limits.under(), limits.over());
            else if (limits.under() != null) element("munder", limits.base(), limits.under());
            else element("mover", limits.base(), limits.over() == null ? Formula.NOTHING : limits.over());
        } else if (formula instanceof Formula.Root root) {
            if (root.degree() == null) element("msqrt", root.base());
            else element("mroot", root.base(), root.degree());
        } else if (formula instanceof Formula.Fence fence) fence(fence);
        else if (formula instanceof Formula.Accent accent) {
            xml.open(accent.under() ? "munder" : "mover", "accent", accent.under() ? null : "true");
            row(accent.base());
            sign(accent.sign(), "stretchy", String.valueOf(accent.stretches()));
            xml.close();
        } else grid((Formula.Grid) formula);
    }

    private void fraction(Formula.Fraction fraction) {
        xml.open("mfrac", "linethickness", fraction.line() == Formula.Line.NONE ? "0" : null, "bevelled",
                fraction.line() == Formula.Line.SLANT ? "true" : null);
        row(fraction.over());
        row(fraction.under());
        xml.close();
    }

    private void scripts(Formula.Scripts scripts) {
        if (scripts.before()) {
            xml.open("mmultiscripts");
            row(scripts.base());
            xml.leaf("mprescripts");
            for (Formula part : new Formula[] {scripts.below(), scripts.above()}) {
                if (part == null) xml.leaf("none");
                else row(part);
            }
            xml.close();
        } else if (scripts.below() != null && scripts.above() != null) {
            element("msubsup", scripts.base(), scripts.below(), scripts.above());
        } else if (scripts.below() != null) {
            element("msub", scripts.base(), scripts.below());
        } else {
            element("msup", scripts.base(), scripts.above() == null ? Formula.NOTHING : scripts.above());
        }
    }

    private void fence(Formula.Fence fence) {
        xml.open("mrow");
        if (!fence.open().isEmpty()) sign(fence.open(), "fence", "true", "form", "prefix");
        for (int i = 0; i < fence.parts().size(); i++) {
            if (i > 0 && !fence.between().isEmpty()) sign(fence.between(), "separator", "true");
            row(fence.parts().get(i));
        }
        if (!fence.close().isEmpty()) sign(fence.close(), "fence", "true", "form", "postfix");
        xml.close();
    }

    private void grid(Formula.Grid grid) {
        xml.open("mtable", "columnalign", grid.equations() ? "right left" : null);
        for (List<Formula> row : grid.rows()) {
            xml.open("mtr");
            for (Formula cell : row) {
                xml.open("mtd");
                row(cell);
                xml.close();
            }
            xml.close();
        }
        xml.close();
    }

    /** Letters one by one, numbers and names of functions as a whole, signs as signs. */
    private void letters(Formula.Letters letters) {
        String style = letters.bold() ? letters.italic() ? "bold-italic" : "bold" : letters.italic() ? "italic" : "normal";
        if (letters.words()) {
            xml.open("mtext").text(letters.text()).close();
            return;
        }
        String text = letters.text();
        for (int at = 0; at < text.length(); ) {
            int first = text.codePointAt(at);
            int end = at + Character.charCount(first);
            boolean digits = Character.isDigit(first);
            boolean name = Character.isLetter(first) && !letters.italic();
            while (end < text.length() && (digits && (Character.isDigit(text.charAt(end)) || text.charAt(end) == '.')
                    || name && Character.isLetter(text.codePointAt(end)))) end += Character.charCount(text.codePointAt(end));
            String piece = text.substring(at, end);
            if (digits) xml.open("mn", "mathvariant", letters.bold() ? "bold" : null).text(piece).close();
            else if (Character.isLetter(first)) xml.open("mi", "mathvariant", style).text(piece).close();
            else if (piece.isBlank()) xml.leaf("mspace", "width", "0.3em");
            else sign(piece, "stretchy", "false");
            at = end;
        }
    }
}
