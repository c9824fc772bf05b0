package app.decant.pdf.font;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;

/** The map from the codes of a font to the text they stand for (ISO 32000-2, 9.10.3). */
public final class UnicodeMap {
    private UnicodeMap() { }

    /**
     * Writes one.
     *
     * @param texts by codes
     * @param bytes how many a code has
     */
    public static byte[] of(SortedMap<Integer, String> texts, int bytes) {
        String form = "%0" + 2 * bytes + "X";
        StringBuilder map = new StringBuilder("""
            /CIDInit /ProcSet findresource begin
            12 dict begin
            begincmap
            /CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def
            /CMapName /Adobe-Identity-UCS def
            /CMapType 2 def
            1 begincodespacerange
            """);
        map.append('<').append("00".repeat(bytes)).append("> <").append("FF".repeat(bytes)).append(">\nendcodespacerange\n");
        List<Map.Entry<Integer, String>> entries = new ArrayList<>(texts.entrySet());
        for (int from = 0; from < entries.size(); from += 100) {
            List<Map.Entry<Integer, String>> part = entries.subList(from, Math.min(entries.size(), from + 100));
            map.append(part.size()).append(" beginbfchar\n");
            for (Map.Entry<Integer, String> entry : part) {
                map.append('<').append(String.format(form, entry.getKey())).append("> <");
                for (char c : entry.getValue().toCharArray()) map.append(String.format("%04X", (int) c));
                map.append(">\n");
            }
            map.append("endbfchar\n");
        }
        map.append("endcmap\nCMapName currentdict /CMap defineresource pop\nend\nend\n");
        return map.toString().getBytes(StandardCharsets.US_ASCII);
    }
}
