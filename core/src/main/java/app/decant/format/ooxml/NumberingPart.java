package app.decant.format.ooxml;

import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering.Level;
import app.decant.document.Numbering.NumberedList;
import app.decant.document.Numbering.Pattern;
import app.decant.document.Numbering.Suffix;
import app.decant.document.Numbering;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The numbering part (ISO/IEC 29500-1, 17.9), read and written. */
final class NumberingPart {
    private NumberingPart() { }

    static Numbering read(XmlNode root, LookReader looks) {
        Map<String, Pattern> patterns = new LinkedHashMap<>();
        Map<String, String> byStyle = new HashMap<>();
        Map<String, String> linked = new HashMap<>();
        for (XmlNode node : root.children("w:abstractNum")) {
            String id = node.get("w:abstractNumId", "");
            List<Level> levels = new ArrayList<>();
            for (XmlNode level : node.children("w:lvl")) levels.add(level(level, looks));
            patterns.put(id, new Pattern(id, levels));
            if (node.child("w:styleLink") != null) byStyle.put(node.child("w:styleLink").get("w:val"), id);
            if (node.child("w:numStyleLink") != null) linked.put(id, node.child("w:numStyleLink").get("w:val"));
        }
        Map<String, NumberedList> lists = new LinkedHashMap<>();
        for (XmlNode node : root.children("w:num")) {
            String id = node.get("w:numId", "");
            String pattern = node.child("w:abstractNumId") == null ? "" : node.child("w:abstractNumId").get("w:val", "");
            if (linked.containsKey(pattern)) pattern = byStyle.getOrDefault(linked.get(pattern), pattern);
            Map<Integer, Integer> starts = new HashMap<>();
            Map<Integer, Level> changed = new HashMap<>();
            for (XmlNode override : node.children("w:lvlOverride")) {
                Integer depth = Units.whole(override, "w:ilvl");
                if (depth == null) continue;
                Integer start = Units.whole(override.child("w:startOverride"), "w:val");
                if (start != null) starts.put(depth, start);
                if (override.child("w:lvl") != null) changed.put(depth, level(override.child("w:lvl"), looks));
            }
            lists.put(id, new NumberedList(id, pattern, starts, changed));
        }
        return new Numbering(patterns, lists);
    }

    private static Level level(XmlNode node, LookReader looks) {
        Integer start = Units.whole(node.child("w:start"), "w:val");
        String format = node.child("w:numFmt") == null ? "decimal" : node.child("w:numFmt").get("w:val", "decimal");
        String label = node.child("w:lvlText") == null ? "" : node.child("w:lvlText").get("w:val", "");
        Suffix suffix = node.child("w:suff") == null ? Suffix.TAB : switch (node.child("w:suff").get("w:val", "tab")) {
            case "space" -> Suffix.SPACE;
            case "nothing" -> Suffix.NOTHING;
            default -> Suffix.TAB;
        };
        String style = node.child("w:pStyle") == null ? null : node.child("w:pStyle").get("w:val");
        Look look = looks.text(node.child("w:rPr")).over(looks.paragraph(node.child("w:pPr")));
        XmlNode standing = node.child("w:lvlJc");
        return new Level(format(format), start == null ? 0 : start, label, suffix, Units.whole(node.child("w:lvlRestart"), "w:val"), style, look,
                Boolean.TRUE.equals(Units.flag(node, "w:isLgl")), standing == null ? Alignment.START : LookReader.alignment(standing.get("w:val", "start")));
    }

    static NumberFormat format(String value) {
        return switch (value) {
            case "decimalZero" -> NumberFormat.DECIMAL_ZERO;
            case "lowerRoman" -> NumberFormat.LOWER_ROMAN;
            case "upperRoman" -> NumberFormat.UPPER_ROMAN;
            case "lowerLetter" -> NumberFormat.LOWER_LETTER;
            case "upperLetter" -> NumberFormat.UPPER_LETTER;
            case "ordinal" -> NumberFormat.ORDINAL;
            case "cardinalText" -> NumberFormat.CARDINAL_TEXT;
            case "ordinalText" -> NumberFormat.ORDINAL_TEXT;
            case "chicago" -> NumberFormat.SIGNS;
            case "bullet" -> NumberFormat.BULLET;
            case "none" -> NumberFormat.NONE;
            default -> NumberFormat.DECIMAL;
        };
    }

    static String format(NumberFormat format) {
        return switch (format) {
            case DECIMAL -> "decimal";
            case DECIMAL_ZERO -> "decimalZero";
            case LOWER_ROMAN -> "lowerRoman";
            case UPPER_ROMAN -> "upperRoman";
            case LOWER_LETTER -> "lowerLetter";
            case UPPER_LETTER -> "upperLetter";
            case ORDINAL -> "ordinal";
            case CARDINAL_TEXT -> "cardinalText";
            case ORDINAL_TEXT -> "ordinalText";
            case SIGNS -> "chicago";
            case BULLET -> "bullet";
            case NONE -> "none";
        };
    }

    static byte[] write(Numbering numbering, ListNumbers lists) {
        XmlWriter xml = new XmlWriter();
        xml.open("w:numbering", DocxWriter.NAMESPACES);
        Map<String, Integer> ids = new HashMap<>();
        for (Pattern pattern : numbering.patterns().values()) {
            ids.put(pattern.id(), ids.size());
            xml.open("w:abstractNum", "w:abstractNumId", ids.get(pattern.id()));
            xml.leaf("w:multiLevelType", "w:val", "multilevel");
            for (int i = 0; i < Math.min(9, pattern.levels().size()); i++) level(xml, lists, i, pattern.levels().get(i));
            xml.close();
        }
        for (NumberedList list : numbering.lists().values()) {
            if (!ids.containsKey(list.pattern())) continue;
            xml.open("w:num", "w:numId", lists.of(list.id()));
            xml.leaf("w:abstractNumId", "w:val", ids.get(list.pattern()));
            for (int depth = 0; depth < 9; depth++) {
                if (!list.starts().containsKey(depth) && !list.changed().containsKey(depth)) continue;
                xml.open("w:lvlOverride", "w:ilvl", depth);
                if (list.starts().containsKey(depth)) xml.leaf("w:startOverride", "w:val", list.starts().get(depth));
                if (list.changed().containsKey(depth)) level(xml, lists, depth, list.changed().get(depth));
                xml.close();
            }
            xml.close();
        }
        xml.close();
        return xml.bytes();
    }

    private static void level(XmlWriter xml, ListNumbers lists, int depth, Level level) {
        xml.open("w:lvl", "w:ilvl", depth);
        xml.leaf("w:start", "w:val", level.start());
        xml.leaf("w:numFmt", "w:val", format(level.format()));
        if (level.restart() != null) xml.leaf("w:lvlRestart", "w:val", level.restart());
        if (level.style() != null) xml.leaf("w:pStyle", "w:val", level.style());
        if (level.legal()) xml.leaf("w:isLgl");
        if (level.suffix() != Suffix.TAB) xml.leaf("w:suff", "w:val", level.suffix() == Suffix.SPACE ? "space" : "nothing");
        xml.leaf("w:lvlText", "w:val", level.label());
        xml.leaf("w:lvlJc", "w:val", LookWriter.alignment(level.standing()));
        LookWriter.paragraph(xml, lists, null, level.look(), null, null);
        LookWriter.text(xml, "w:rPr", level.look());
        xml.close();
    }
}
