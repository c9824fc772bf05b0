package app.decant.format.ooxml;

import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.ParagraphProperty;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TableProperty.TablePart;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.format.PartedWords;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** The styles part (ISO/IEC 29500-1, 17.7), read and written. */
final class StylesPart {
    private static final Map<String, TablePart> PARTS = new LinkedHashMap<>();

    static {
        PARTS.put("wholeTable", TablePart.WHOLE);
        PARTS.put("firstRow", TablePart.FIRST_ROW);
        PARTS.put("lastRow", TablePart.LAST_ROW);
        PARTS.put("firstCol", TablePart.FIRST_COLUMN);
        PARTS.put("lastCol", TablePart.LAST_COLUMN);
        PARTS.put("band1Horz", TablePart.ODD_ROWS);
        PARTS.put("band2Horz", TablePart.EVEN_ROWS);
        PARTS.put("band1Vert", TablePart.ODD_COLUMNS);
        PARTS.put("band2Vert", TablePart.EVEN_COLUMNS);
    }

    private static final String CUSTOM = "w:customStyle";
    /** How lists of styles show one (17.7.4); what it is called and what it is based on comes before. */
    private static final KeptMarkup STYLE = new KeptMarkup(Markup.STYLE, List.of("w:link", "w:autoRedefine", "w:hidden", "w:uiPriority", "w:semiHidden",
            "w:unhideWhenUsed", "w:qFormat", "w:locked", "w:personal", "w:personalCompose", "w:personalReply"),
            Set.of("w:name", "w:aliases", "w:basedOn", "w:next", "w:rsid", "w:pPr", "w:rPr", "w:tblPr", "w:trPr", "w:tcPr", "w:tblStylePr", CUSTOM),
            (xml, name, look) -> {
                if (name.equals("w:qFormat")) xml.leaf(name);
            });

    private StylesPart() { }

    static StyleSheet read(XmlNode root, LookReader looks) {
        XmlNode textDefaults = root.at("w:docDefaults", "w:rPrDefault", "w:rPr");
        XmlNode paragraphDefaults = root.at("w:docDefaults", "w:pPrDefault", "w:pPr");
        Look defaults = looks.text(textDefaults).over(looks.paragraph(paragraphDefaults));
        if (!defaults.says(TextProperty.SIZE)) defaults = defaults.with(TextProperty.SIZE, 10.0);
        if (!defaults.says(TextProperty.FAMILY)) defaults = defaults.with(TextProperty.FAMILY, "Times New Roman");
        Map<String, Style> styles = new LinkedHashMap<>();
        String defaultParagraph = null;
        String defaultTable = null;
        for (XmlNode node : root.children("w:style")) {
            String id = node.get("w:styleId");
            if (id == null) continue;
            Style.Kind kind = switch (node.get("w:type", "paragraph")) {
                case "character" -> Style.Kind.CHARACTER;
                case "table" -> Style.Kind.TABLE;
                case "numbering" -> Style.Kind.LIST;
                default -> Style.Kind.PARAGRAPH;
            };
            String standard = node.get("w:default", "0");
            boolean isDefault = standard.equals("1") || standard.equals("true");
            if (isDefault && kind == Style.Kind.PARAGRAPH) defaultParagraph = id;
            if (isDefault && kind == Style.Kind.TABLE) defaultTable = id;
            styles.put(id, style(id, kind, node, looks));
        }
        defaults = KeptMarkup.with(defaults, Markup.STYLE, root.child("w:latentStyles"));
        return new StyleSheet(defaults, defaultParagraph, defaultTable, styles);
    }

    private static Style style(String id, Style.Kind kind, XmlNode node, LookReader looks) {
        String name = value(node, "w:name", id);
        Look look = looks.text(node.child("w:rPr")).over(looks.paragraph(node.child("w:pPr")));
        Map<TablePart, Look> parts = new EnumMap<>(TablePart.class);
        if (kind == Style.Kind.TABLE) {
            TableReader tables = new TableReader(null);
            look = tables.tableLook(node.child("w:tblPr")).over(tables.cellLook(node.child("w:tcPr"))).over(look);
            for (XmlNode part : node.children("w:tblStylePr")) {
                TablePart which = PARTS.get(part.get("w:type", ""));
                if (which == null) continue;
                Look own = tables.cellLook(part.child("w:tcPr")).over(tables.tableLook(part.child("w:tblPr"))).over(TableReader.rowLook(part.child("w:trPr")))
                        .over(looks.text(part.child("w:rPr"))).over(looks.paragraph(part.child("w:pPr")));
                parts.put(which, own);
            }
        }
        if (kind == Style.Kind.PARAGRAPH && !look.says(ParagraphProperty.OUTLINE_LEVEL) && name.toLowerCase(Locale.ROOT).matches("heading [1-9]")) {
            look = look.with(ParagraphProperty.OUTLINE_LEVEL, name.charAt(8) - '0');
        }
        look = KeptMarkup.with(STYLE.rest(node, look, child -> Look.PLAIN), Markup.STYLE, node.child("w:aliases"));
        if (node.get(CUSTOM) != null) look = KeptMarkup.with(look, Markup.STYLE, CUSTOM, node.get(CUSTOM));
        return new Style(id, name, kind, value(node, "w:basedOn", null), value(node, "w:next", null), look, parts);
    }

    private static String value(XmlNode node, String child, String otherwise) {
        return node.child(child) == null ? otherwise : node.child(child).get("w:val", otherwise);
    }

    /** @param parts whether the file parts words at the ends of lines */
    static byte[] write(StyleSheet sheet, ListNumbers lists, boolean parts) {
        XmlWriter xml = new XmlWriter();
        xml.open("w:styles", DocxWriter.NAMESPACES);
        xml.open("w:docDefaults").open("w:rPrDefault");
        LookWriter.text(xml, "w:rPr", sheet.defaults());
        xml.close().open("w:pPrDefault");
        LookWriter.paragraph(xml, lists, null, PartedWords.beneath(sheet, parts), null, null);
        xml.close().close();
        String latent = KeptMarkup.beside(sheet.defaults(), Markup.STYLE, "w:latentStyles");
        if (latent != null) xml.raw(latent);
        for (Style style : sheet.styles().values()) write(xml, lists, style, sheet);
        xml.close();
        return xml.bytes();
    }

    private static void write(XmlWriter xml, ListNumbers lists, Style style, StyleSheet sheet) {
        String type = switch (style.kind()) {
            case PARAGRAPH -> "paragraph";
            case CHARACTER -> "character";
            case TABLE -> "table";
            case LIST -> "numbering";
        };
        boolean standard = style.id().equals(sheet.defaultParagraph()) || style.id().equals(sheet.defaultTable());
        xml.open("w:style", "w:type", type, "w:default", standard ? "1" : null, CUSTOM, KeptMarkup.beside(style.look(), Markup.STYLE, CUSTOM),
                "w:styleId", style.id());
        xml.leaf("w:name", "w:val", style.name());
        String aliases = KeptMarkup.beside(style.look(), Markup.STYLE, "w:aliases");
        if (aliases != null) xml.raw(aliases);
        if (style.parent() != null) xml.leaf("w:basedOn", "w:val", style.parent());
        if (style.next() != null) xml.leaf("w:next", "w:val", style.next());
        STYLE.write(xml, style.look());
        LookWriter.paragraph(xml, lists, null, style.look(), null, null);
        LookWriter.text(xml, "w:rPr", style.look());
        if (style.kind() == Style.Kind.TABLE) {
            TableWriter.tableProperties(xml, style.look());
            TableWriter.cellProperties(xml, style.look().without(TableProperty.BORDERS).without(TableProperty.PADDING), 0, 1, null);
            PARTS.forEach((name, part) -> {
                Look look = style.parts().get(part);
                if (look == null) return;
                xml.open("w:tblStylePr", "w:type", name);
                LookWriter.paragraph(xml, lists, null, look, null, null);
                LookWriter.text(xml, "w:rPr", look);
                TableWriter.rowProperties(xml, look, 0, 0, null);
                TableWriter.cellProperties(xml, look, 0, 1, null);
                xml.close();
            });
        }
        xml.close();
    }
}
