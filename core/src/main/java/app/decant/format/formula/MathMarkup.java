package app.decant.format.formula;

import app.decant.xml.XmlNode;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Set;

/** Reads formulas of MathML 3 in presentation markup (chapter 3), as OpenDocument and web pages hold them. */
public final class MathMarkup {
    private static final String OPENING = "([{⟨⌈⌊|‖";
    private static final String CLOSING = ")]}⟩⌉⌋|‖";
    private static final Set<String> LARGE = Set.of("∑", "∏", "∐", "∫", "∬", "∭", "∮", "⋃", "⋂", "⋁", "⋀", "⨁", "⨂");

    private MathMarkup() { }

    /** @param node math or what else holds parts of a formula */
    public static Formula read(XmlNode node) { return row(node.children()); }

    private static Formula row(List<XmlNode> nodes) {
        List<Formula> parts = parts(nodes);
        return parts.size() == 1 ? parts.get(0) : new Formula.Row(parts);
    }

    /** What opens and closes in one row grows with what stands between (3.2.5.8.2). */
    private static List<Formula> parts(List<XmlNode> nodes) {
        Deque<List<Formula>> open = new ArrayDeque<>();
        Deque<String> signs = new ArrayDeque<>();
        List<Formula> parts = new ArrayList<>();
        for (XmlNode node : nodes) {
            String sign = node.is("math:mo") ? node.text().strip() : "";
            boolean single = sign.codePointCount(0, sign.length()) == 1;
            int closes = single ? CLOSING.indexOf(sign) : -1;
            boolean bars = closes >= 0 && OPENING.indexOf(sign) == closes;
            if (closes >= 0 && !signs.isEmpty() && (!bars || signs.peek().equals(sign)) && !"prefix".equals(node.get("form"))) {
                Formula fence = new Formula.Fence(signs.pop(), "", sign, List.of(new Formula.Row(parts)));
                parts = open.pop();
                parts.add(fence);
            } else if (single && OPENING.contains(sign) && !"postfix".equals(node.get("form"))) {
                open.push(parts);
                signs.push(sign);
                parts = new ArrayList<>();
            } else {
                Formula part = part(node);
                if (part != null) parts.add(part);
            }
        }
        // What is not closed holds the rest, as a brace before cases does; a single bar stands as it is.
        while (!open.isEmpty()) {
            List<Formula> before = open.pop();
            String sign = signs.pop();
            if ("|‖".contains(sign)) {
                before.add(new Formula.Letters(sign, false, false, false));
                before.addAll(parts);
            } else {
                before.add(new Formula.Fence(sign, "", "", List.of(new Formula.Row(parts))));
            }
            parts = before;
        }
        return parts;
    }

    private static Formula nth(XmlNode node, int number) {
        List<XmlNode> children = node.children();
        Formula part = number < children.size() ? part(children.get(number)) : null;
        return part == null ? Formula.NOTHING : part;
    }

    private static Formula part(XmlNode node) {
        return switch (node.name()) {
            case "math:mi" -> letters(node, node.text().strip().codePointCount(0, node.text().strip().length()) == 1, false);
            case "math:mn" -> letters(node, false, false);
            case "math:mo" -> LARGE.contains(node.text().strip()) ? new Formula.Large(node.text().strip()) : letters(node, false, false);
            case "math:mtext", "math:ms" -> letters(node, false, true);
            case "math:mspace" -> new Formula.Letters(" ", false, false, true);
            case "math:mfrac" -> new Formula.Fraction(nth(node, 0), nth(node, 1), "true".equals(node.get("bevelled")) ? Formula.Line.SLANT
                    : node.get("linethickness", "1").matches("0[a-z%]*") ? Formula.Line.NONE : Formula.Line.BAR);
            case "math:msup" -> new Formula.Scripts(nth(node, 0), null, nth(node, 1), false);
            case "math:msub" -> new Formula.Scripts(nth(node, 0), nth(node, 1), null, false);
            case "math:msubsup" -> new Formula.Scripts(nth(node, 0), nth(node, 1), nth(node, 2), false);
            case "math:munder" -> under(node, nth(node, 1), null);
            case "math:mover" -> under(node, null, nth(node, 1));
            case "math:munderover" -> new Formula.Limits(nth(node, 0), nth(node, 1), nth(node, 2));
            case "math:msqrt" -> new Formula.Root(read(node), null);
            case "math:mroot" -> new Formula.Root(nth(node, 0), nth(node, 1));
            case "math:mfenced" -> new Formula.Fence(node.get("open", "("), node.get("separators", ",").strip(), node.get("close", ")"),
                    node.children().stream().map(child -> row(List.of(child))).toList());
            case "math:mtable" -> table(node);
            case "math:mmultiscripts" -> scripts(node);
            case "math:semantics" -> nth(node, 0);
            case "math:mphantom", "math:annotation", "math:annotation-xml", "math:mprescripts", "math:none" -> null;
            default -> node.name().startsWith("math:") ? read(node) : null;
        };
    }

    private static Formula table(XmlNode node) {
        boolean equations = node.get("columnalign", "").startsWith("right left");
        List<List<Formula>> rows = new ArrayList<>();
        for (XmlNode row : node.children()) {
            if (!row.is("math:mtr") && !row.is("math:mlabeledtr")) continue;
            List<Formula> cells = new ArrayList<>();
            for (XmlNode cell : row.children("math:mtd")) {
                List<Formula> parts = new ArrayList<>(parts(cell.children()));
                // A sign that begins the second half of an equation stands behind the first.
                if (equations && !cells.isEmpty()) parts = new ArrayList<>(List.of(Formula.NOTHING, new Formula.Row(parts)));
                cells.add(parts.size() == 1 ? parts.get(0) : new Formula.Row(parts));
            }
            rows.add(cells);
        }
        return new Formula.Grid(rows, equations);
    }

    private static Formula letters(XmlNode node, boolean italic, boolean words) {
        String text = words ? node.text() : node.text().strip();
        if (text.isEmpty()) return null;
        String variant = node.get("mathvariant", node.get("fontstyle", italic ? "italic" : "normal"));
        boolean bold = variant.contains("bold") || "bold".equals(node.get("fontweight"));
        return new Formula.Letters(text, bold, variant.contains("italic"), words);
    }

    /** A sign over or under something is a mark of it, anything else stands there as a limit. */
    private static Formula under(XmlNode node, Formula below, Formula above) {
        Formula other = below == null ? above : below;
        boolean mark = other instanceof Formula.Letters letters && letters.text().codePointCount(0, letters.text().length()) == 1
                && !Character.isLetterOrDigit(letters.text().codePointAt(0)) && node.children().get(1).is("math:mo");
        if (!mark) return new Formula.Limits(nth(node, 0), below, above);
        String sign = ((Formula.Letters) other).text();
        boolean stretches = "⏞⏟⎴⎵⏜⏝¯‾_\u0332\u0305\u0304".contains(sign) || "true".equals(node.children().get(1).get("stretchy"));
        return new Formula.Accent(nth(node, 0), sign, below != null, stretches);
    }

    private static Formula scripts(XmlNode node) {
        List<XmlNode> children = node.children();
        int before = 0;
        while (before < children.size() && !children.get(before).is("math:mprescripts")) before++;
        Formula base = nth(node, 0);
        if (before > 2) base = new Formula.Scripts(base, given(node, 1), given(node, 2), false);
        return before + 2 < children.size() ? new Formula.Scripts(base, given(node, before + 1), given(node, before + 2), true) : base;
    }

    private static Formula given(XmlNode node, int number) { return node.children().get(number).is("math:none") ? null : nth(node, number); }
}
