package app.decant.format.formula;

import app.decant.xml.XmlWriter;

/** Writes formulas as Office Math (ISO/IEC 29500-1, 22.1), for those that came from another format. */
final class OfficeMathWriter {
    private final XmlWriter xml = new XmlWriter();

    private OfficeMathWriter() { }

    /** @param display whether the formula has lines of its own */
    static String markup(Formula formula, boolean display) {
        OfficeMathWriter writer = new OfficeMathWriter();
        String namespace = "http://schemas.openxmlformats.org/officeDocument/2006/math";
        if (display) writer.xml.open("m:oMathPara", "xmlns:m", namespace);
        writer.xml.open("m:oMath", "xmlns:m", display ? null : namespace);
        writer.write(formula);
        writer.xml.close();
        if (display) writer.xml.close();
        return writer.xml.markup();
    }

    private OfficeMathWriter part(String name, Formula formula) {
        xml.open(name);
        if (formula != null) write(formula);
        xml.close();
        return this;
    }

    /** An element that says one thing of what it stands in. */
    private void said(String properties, String... namesAndValues) {
        xml.open(properties);
        for (int i = 0; i < namesAndValues.length; i += 2) if (namesAndValues[i + 1] != null) xml.leaf(namesAndValues[i], "m:val", namesAndValues[i + 1]);
        xml.close();
    }

    private void write(Formula formula) {
        if (formula instanceof Formula.Row row) row.parts().forEach(this::write);
        else if (formula instanceof Formula.Letters letters) letters(letters);
        else if (formula instanceof Formula.Large large) letters(new Formula.Letters(large.sign(), false, false, false));
        else if (formula instanceof Formula.Fraction fraction) {
            xml.open("m:f");
            said("m:fPr", "m:type", fraction.line() == Formula.Line.NONE ? "noBar" : fraction.line() == Formula.Line.SLANT ? "skw" : "bar");
            part("m:num", fraction.over()).part("m:den", fraction.under()).xml.close();
        } else if (formula instanceof Formula.Scripts scripts) scripts(scripts);
        else if (formula instanceof Formula.Limits limits) limits(limits);
        else if (formula instanceof Formula.Root root) {
            xml.open("m:rad");
            said("m:radPr", "m:degHide", root.degree() == null ? "1" : null);
            part("m:deg", root.degree()).part("m:e", root.base()).xml.close();
        } else if (formula instanceof Formula.Fence fence) {
            xml.open("m:d");
            said("m:dPr", "m:begChr", fence.open(), "m:sepChr", fence.between(), "m:endChr", fence.close());
            for (Formula one : fence.parts()) part("m:e", one);
            xml.close();
        } else if (formula instanceof Formula.Accent accent) {
            String kind = accent.stretches() ? "m:groupChr" : "m:acc";
            xml.open(kind);
            said(kind + "Pr", "m:chr", accent.sign(), "m:pos", !accent.stretches() ? null : accent.under() ? "bot" : "top");
            part("m:e", accent.base()).xml.close();
        } else {
            Formula.Grid grid = (Formula.Grid) formula;
            xml.open(grid.equations() ? "m:eqArr" : "m:m");
            grid.rows().forEach(row -> {
                xml.open(grid.equations() ? "m:e" : "m:mr");
                for (int i = 0; i < row.size(); i++) {
                    if (i > 0 && grid.equations()) letters(new Formula.Letters("&", false, false, false));
                    if (grid.equations()) write(row.get(i));
                    else part("m:e", row.get(i));
                }
                xml.close();
            });
            xml.close();
        }
    }

    private void scripts(Formula.Scripts scripts) {
        if (scripts.base() instanceof Formula.Large large) {
            large(large, "subSup", scripts.below(), scripts.above());
            return;
        }
        String name = scripts.before() ? "m:sPre" : scripts.below() == null ? "m:sSup" : scripts.above() == null ? "m:sSub" : "m:sSubSup";
        xml.open(name);
        if (!scripts.before()) part("m:e", scripts.base());
        if (scripts.before() || scripts.below() != null) part("m:sub", scripts.below());
        if (scripts.before() || scripts.above() != null || scripts.below() == null) part("m:sup", scripts.above());
        if (scripts.before()) part("m:e", scripts.base());
        xml.close();
    }

    /** What a sum is of stands behind it in both; its own place for that stays empty. */
    private void large(Formula.Large large, String place, Formula below, Formula above) {
        xml.open("m:nary");
        said("m:naryPr", "m:chr", large.sign(), "m:limLoc", place, "m:subHide", below == null ? "1" : null, "m:supHide", above == null ? "1" : null);
        part("m:sub", below).part("m:sup", above).part("m:e", null).xml.close();
    }

    private void limits(Formula.Limits limits) {
        if (limits.base() instanceof Formula.Large large) {
            large(large, "undOvr", limits.under(), limits.over());
            return;
        }
        if (limits.over() != null) xml.open("m:limUpp").open("m:e");
        if (limits.under() != null) {
            xml.open("m:limLow");
            part("m:e", limits.base()).part("m:lim", limits.under()).xml.close();
        } else {
            write(limits.base());
        }
        if (limits.over() != null) {
            xml.close();
            part("m:lim", limits.over()).xml.close();
        }
    }

    private void letters(Formula.Letters letters) {
        xml.open("m:r");
        if (letters.words()) xml.open("m:rPr").leaf("m:nor").close();
        else said("m:rPr", "m:sty", letters.bold() ? letters.italic() ? "bi" : "b" : letters.italic() ? "i" : "p");
        xml.open("m:t", "xml:space", "preserve").text(letters.text()).close().close();
    }
}
