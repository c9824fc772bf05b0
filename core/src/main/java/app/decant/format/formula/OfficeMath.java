package app.decant.format.formula;

import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Reads formulas of Office Math (ISO/IEC 29500-1, 22.1). */
public final class OfficeMath {
    /** The first letters of the alphabets that Unicode has for m:scr, capitals and small ones; those with holes in Unicode are left as they are. */
    private static final Map<String, int[]> SCRIPTS = Map.of("double-struck", new int[] {0x1D538, 0x1D552, 0x1D7D8},
            "fraktur", new int[] {0x1D504, 0x1D51E, -1}, "script", new int[] {0x1D49C, 0x1D4B6, -1},
            "sans-serif", new int[] {0x1D5A0, 0x1D5BA, 0x1D7E2}, "monospace", new int[] {0x1D670, 0x1D68A, 0x1D7F6});
    /** Letters that had their places in Unicode before its alphabets did. */
    private static final Map<Integer, Integer> EARLIER = Map.ofEntries(Map.entry(0x1D53A, 0x2102), Map.entry(0x1D53F, 0x210D), Map.entry(0x1D545, 0x2115),
            Map.entry(0x1D547, 0x2119), Map.entry(0x1D548, 0x211A), Map.entry(0x1D549, 0x211D), Map.entry(0x1D551, 0x2124), Map.entry(0x1D49D, 0x212C),
            Map.entry(0x1D4A0, 0x2130), Map.entry(0x1D4A1, 0x2131), Map.entry(0x1D4A3, 0x210B), Map.entry(0x1D4A4, 0x2110), Map.entry(0x1D4A7, 0x2112),
            Map.entry(0x1D4A8, 0x2133), Map.entry(0x1D4AD, 0x211B), Map.entry(0x1D4BA, 0x212F), Map.entry(0x1D4BC, 0x210A), Map.entry(0x1D4C4, 0x2134));

    private OfficeMath() { }

    /** @param node m:oMath, m:oMathPara or what else holds parts of a formula */
    public static Formula read(XmlNode node) {
        List<List<Formula>> lines = new ArrayList<>(List.of(new ArrayList<>()));
        for (XmlNode child : node.children()) {
            Formula part = part(child);
            if (part == null) continue;
            List<Formula> line = lines.get(lines.size() - 1);
            // A break that somebody made stands before its sign (22.1.2.15, from memory); each of several formulas of one paragraph has lines of its own.
            boolean breaks = child.at("m:rPr", "m:brk") != null || node.is("m:oMathPara");
            if (breaks && !line.isEmpty()) lines.add(line = new ArrayList<>());
            line.add(part);
        }
        List<Formula> rows = lines.stream().map(OfficeMath::row).toList();
        if (rows.size() == 1) return rows.get(0);
        return new Formula.Grid(rows.stream().map(OfficeMath::atItsRelation).toList(), true);
    }

    private static Formula row(List<Formula> parts) { return parts.size() == 1 ? parts.get(0) : new Formula.Row(parts); }

    /** What stands before the first sign of equality or order, and the rest: lines meet there. */
    private static List<Formula> atItsRelation(Formula line) {
        List<Formula> parts = line instanceof Formula.Row row ? row.parts() : List.of(line);
        for (int i = 0; i < parts.size(); i++) {
            if (!(parts.get(i) instanceof Formula.Letters letters) || letters.words()) continue;
            int at = 0;
            while (at < letters.text().length() && FormulaSetter.RELATIONS.indexOf(letters.text().charAt(at)) < 0) at++;
            if (at == letters.text().length()) continue;
            List<Formula> before = new ArrayList<>(parts.subList(0, i));
            if (at > 0) before.add(new Formula.Letters(letters.text().substring(0, at), letters.bold(), letters.italic(), false));
            // The sign stands behind something, if only in the line above.
            List<Formula> rest = new ArrayList<>(List.of(Formula.NOTHING, new Formula.Letters(letters.text().substring(at), letters.bold(), letters.italic(),
                    false)));
            rest.addAll(parts.subList(i + 1, parts.size()));
            return List.of(new Formula.Row(before), new Formula.Row(rest));
        }
        return List.of(Formula.NOTHING, line);
    }

    private static Formula child(XmlNode node, String name) { return node.child(name) == null ? Formula.NOTHING : read(node.child(name)); }

    /** What properties say of one thing; the other where they say nothing, an empty value where they say it without a value. */
    private static String said(XmlNode node, String properties, String name, String otherwise) {
        XmlNode told = node.at(properties, name);
        return told == null ? otherwise : told.get("m:val", told.get("val", ""));
    }

    private static boolean isOn(XmlNode node, String properties, String name) {
        String value = said(node, properties, name, "0");
        return !value.equals("0") && !value.equals("off") && !value.equals("false");
    }

    private static Formula part(XmlNode node) {
        return switch (node.name()) {
            case "m:r" -> letters(node);
            case "m:f" -> new Formula.Fraction(child(node, "m:num"), child(node, "m:den"), switch (said(node, "m:fPr", "m:type", "bar")) {
                case "noBar" -> Formula.Line.NONE;
                case "skw", "lin" -> Formula.Line.SLANT;
                default -> Formula.Line.BAR;
            });
            case "m:sSup" -> new Formula.Scripts(child(node, "m:e"), null, child(node, "m:sup"), false);
            case "m:sSub" -> new Formula.Scripts(child(node, "m:e"), child(node, "m:sub"), null, false);
            case "m:sSubSup" -> new Formula.Scripts(child(node, "m:e"), child(node, "m:sub"), child(node, "m:sup"), false);
            case "m:sPre" -> new Formula.Scripts(child(node, "m:e"), child(node, "m:sub"), child(node, "m:sup"), true);
            case "m:rad" -> new Formula.Root(child(node, "m:e"), isOn(node, "m:radPr", "m:degHide") || node.child("m:deg") == null ? null
                    : child(node, "m:deg"));
            case "m:d" -> new Formula.Fence(said(node, "m:dPr", "m:begChr", "("), said(node, "m:dPr", "m:sepChr", "|"), said(node, "m:dPr", "m:endChr", ")"),
                    node.children("m:e").stream().map(OfficeMath::read).toList());
            case "m:nary" -> large(node);
            case "m:limLow" -> new Formula.Limits(child(node, "m:e"), child(node, "m:lim"), null);
            case "m:limUpp" -> new Formula.Limits(child(node, "m:e"), null, child(node, "m:lim"));
            case "m:func" -> new Formula.Row(List.of(child(node, "m:fName"), new Formula.Letters("\u2009", false, false, true), child(node, "m:e")));
            case "m:acc" -> new Formula.Accent(child(node, "m:e"), said(node, "m:accPr", "m:chr", "\u0302"), false, false);
            case "m:bar" -> new Formula.Accent(child(node, "m:e"), "\u0305", said(node, "m:barPr", "m:pos", "bot").equals("bot"), true);
            case "m:groupChr" -> new Formula.Accent(child(node, "m:e"), said(node, "m:groupChrPr", "m:chr", "\u23DF"),
                    said(node, "m:groupChrPr", "m:pos", "bot").equals("bot"), true);
            case "m:m" -> new Formula.Grid(rows(node.children("m:mr"), row -> row.children("m:e").stream().map(OfficeMath::read).toList()), false);
            case "m:eqArr" -> new Formula.Grid(rows(node.children("m:e"), row -> columns(read(row))), true);
            case "m:phant" -> isOn(node, "m:phantPr", "m:show") || node.at("m:phantPr", "m:show") == null ? child(node, "m:e") : Formula.NOTHING;
            case "m:box", "m:borderBox", "m:oMath", "w:ins", "w:moveTo", "w:smartTag", "w:hyperlink", "w:sdt", "w:sdtContent" ->
                    node.child("m:e") == null ? read(node) : child(node, "m:e");
            default -> null;
        };
    }

    private static List<List<Formula>> rows(List<XmlNode> nodes, Function<XmlNode, List<Formula>> row) {
        return nodes.stream().map(row).toList();
    }

    /** What stands before and behind each sign at which equations meet (22.1.2.34: an ampersand in their letters). */
    private static List<Formula> columns(Formula equation) {
        List<Formula> columns = new ArrayList<>();
        List<Formula> parts = new ArrayList<>();
        for (Formula part : equation instanceof Formula.Row row ? row.parts() : List.of(equation)) {
            if (!(part instanceof Formula.Letters letters) || letters.words() || letters.text().indexOf('&') < 0) {
                parts.add(part);
                continue;
            }
            String[] cut = letters.text().split("&", -1);
            for (int i = 0; i < cut.length; i++) {
                if (i > 0) {
                    columns.add(new Formula.Row(parts));
                    // The sign that stands here stands behind something.
                    parts = new ArrayList<>(List.of(Formula.NOTHING));
                }
                if (!cut[i].isEmpty()) parts.add(new Formula.Letters(cut[i], letters.bold(), letters.italic(), false));
            }
        }
        columns.add(new Formula.Row(parts));
        return columns;
    }

    private static Formula large(XmlNode node) {
        Formula below = isOn(node, "m:naryPr", "m:subHide") || node.child("m:sub") == null ? null : child(node, "m:sub");
        Formula above = isOn(node, "m:naryPr", "m:supHide") || node.child("m:sup") == null ? null : child(node, "m:sup");
        Formula sign = new Formula.Large(said(node, "m:naryPr", "m:chr", "\u222B"));
        boolean straight = said(node, "m:naryPr", "m:limLoc", "subSup").equals("undOvr");
        Formula dressed = straight ? new Formula.Limits(sign, below, above) : new Formula.Scripts(sign, below, above, false);
        return new Formula.Row(List.of(dressed, child(node, "m:e")));
    }

    /** Letters of a formula are italic unless said (22.2.2.24, m:sty); ordinary text is as its own properties say. */
    private static Formula letters(XmlNode run) {
        String text = run.content().stream().filter(XmlNode.class::isInstance).map(XmlNode.class::cast)
                .map(one -> one.is("m:t") || one.is("w:t") ? one.text() : one.is("w:tab") || one.is("w:br") ? " " : "").collect(Collectors.joining());
        if (text.isEmpty()) return null;
        if (run.at("m:rPr", "m:nor") != null) return new Formula.Letters(text, run.at("w:rPr", "w:b") != null, run.at("w:rPr", "w:i") != null, true);
        String style = said(run, "m:rPr", "m:sty", "i");
        int[] first = SCRIPTS.get(said(run, "m:rPr", "m:scr", "roman"));
        return first == null ? new Formula.Letters(text, style.startsWith("b"), style.endsWith("i"), false)
                : new Formula.Letters(text.codePoints().mapToObj(c -> of(c, first)).collect(Collectors.joining()), false, false, false);
    }

    private static String of(int letter, int[] first) {
        int own = letter >= 'A' && letter <= 'Z' ? first[0] + letter - 'A' : letter >= 'a' && letter <= 'z' ? first[1] + letter - 'a'
                : letter >= '0' && letter <= '9' && first[2] > 0 ? first[2] + letter - '0' : letter;
        return Character.toString(EARLIER.getOrDefault(own, own));
    }
}
