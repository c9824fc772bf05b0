package app.decant.format.ooxml;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FontFile;
import app.decant.font.BroughtFonts;
import app.decant.format.OfficePackage;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;

/** Fonts inside a .docx: a table that names them, and their files, disguised by a key beside each name (ISO/IEC 29500-1, 17.8.1 and 17.8.3). */
final class FontParts {
    private static final String[] STYLES = {"w:embedRegular", "w:embedBold", "w:embedItalic", "w:embedBoldItalic"};
    private static final int DISGUISED = 32;

    private FontParts() { }

    /** The fonts of a file. @param find told of those that are damaged */
    static List<FontFile> read(OfficePackage container, String table, Consumer<Finding> find) {
        List<FontFile> fonts = new ArrayList<>();
        if (table == null || container.part(table) == null) return fonts;
        Map<String, OfficePackage.Relation> relations = container.relations(table);
        for (XmlNode entry : XmlReader.tree(container.part(table), table).children("w:font")) {
            for (int style = 0; style < STYLES.length; style++) {
                XmlNode embedded = entry.child(STYLES[style]);
                OfficePackage.Relation relation = embedded == null ? null : relations.get(embedded.get("r:id", ""));
                byte[] part = relation == null || relation.outside() ? null : container.part(relation.target());
                if (part == null) continue;
                String family = entry.get("w:name", "");
                FontFile font = new FontFile(family, (style & 1) != 0, (style & 2) != 0, !List.of("", "0", "false", "off")
                        .contains(embedded.get("w:subsetted", "")), plain(part, embedded.get("w:fontKey", "")));
                try {
                    BroughtFonts.face(font);
                    fonts.add(font);
                } catch (DecantException e) {
                    find.accept(Finding.lost(Message.of("odf.the-font-inside-the-file-is-damaged", family)));
                }
            }
        }
        return fonts;
    }

    /** The first 32 bytes are mixed with the key's, from its end to its start, twice over; the same again undoes it. */
    private static byte[] plain(byte[] part, String key) {
        String digits = key.replaceAll("[^0-9A-Fa-f]", "");
        if (digits.length() != 32 || part.length < DISGUISED) return part;
        byte[] mixed = part.clone();
        byte[] bytes = HexFormat.of().parseHex(digits);
        for (int i = 0; i < DISGUISED; i++) mixed[i] ^= bytes[15 - i % 16];
        return mixed;
    }

    /** What goes into the file: parts by name, and the relations of the table. */
    record Parts(byte[] table, PartRelations relations, Map<String, byte[]> files) { }

    static Parts write(Document document) {
        Map<String, List<FontFile>> families = new LinkedHashMap<>();
        for (FontFile font : document.fonts()) families.computeIfAbsent(font.family(), family -> new ArrayList<>()).add(font);
        PartRelations relations = new PartRelations();
        Map<String, byte[]> files = new LinkedHashMap<>();
        XmlWriter xml = new XmlWriter();
        xml.open("w:fonts", DocxWriter.NAMESPACES[0], DocxWriter.NAMESPACES[1], DocxWriter.NAMESPACES[2], DocxWriter.NAMESPACES[3]);
        families.forEach((family, fonts) -> {
            xml.open("w:font", "w:name", family);
            // The schema has them in this order.
            for (int style = 0; style < STYLES.length; style++) {
                for (FontFile font : fonts) {
                    if (((font.bold() ? 1 : 0) | (font.italic() ? 2 : 0)) != style) continue;
                    String key = "{" + UUID.nameUUIDFromBytes((family + style).getBytes(StandardCharsets.UTF_8)).toString().toUpperCase(Locale.ROOT) + "}";
                    String name = "fonts/font" + (files.size() + 1) + ".odttf";
                    files.put("word/" + name, plain(font.bytes(), key));
                    xml.leaf(STYLES[style], "r:id", relations.inside("font", name), "w:fontKey", key, "w:subsetted", font.subset() ? "1" : null);
                    break;
                }
            }
            xml.close();
        });
        xml.close();
        return new Parts(xml.bytes(), relations, files);
    }
}
