package app.decant.format.sheet;

import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;

/** Headers and footers of OpenDocument's pages put into the codes of ISO/IEC 29500-1, 18.3.1.46. */
final class OdsHeader {
    private OdsHeader() { }

    /** The codes of a header; null where there is none or it is not shown. */
    static String codes(XmlNode header) {
        if (header == null || "false".equals(header.get("style:display"))) return null;
        StringBuilder codes = new StringBuilder();
        part(header.child("style:region-left"), "&L", codes);
        part(header.child("style:region-center"), "&C", codes);
        part(header.child("style:region-right"), "&R", codes);
        if (header.child("text:p") != null) part(header, "&C", codes);
        return codes.isEmpty() ? null : codes.toString();
    }

    private static void part(XmlNode region, String code, StringBuilder codes) {
        if (region == null) return;
        StringBuilder text = new StringBuilder();
        for (XmlNode paragraph : region.children("text:p")) {
            if (!text.isEmpty()) text.append('\n');
            gather(paragraph, text);
        }
        if (!text.toString().isBlank()) codes.append(code).append(text);
    }

    /** Writes codes as the three parts of a header, in plain letters; nothing where there are none. */
    static void write(XmlWriter xml, String element, String codes) {
        xml.open(element, "style:display", String.valueOf(codes != null));
        String[] parts = {"", "", ""};
        int part = 1;
        for (int i = 0; codes != null && i < codes.length(); i++) {
            char c = codes.charAt(i);
            if (c != '&' || i + 1 >= codes.length()) {
                parts[part] += c;
                continue;
            }
            char code = Character.toUpperCase(codes.charAt(++i));
            int side = "LCR".indexOf(code);
            if (side >= 0) part = side;
            else if ("PNADTF&".indexOf(code) >= 0) parts[part] += "&" + code;
            else if (code == '"') i = Math.max(i, codes.indexOf('"', i + 1));
            else if (code == 'K') i += Math.min(6, codes.length() - 1 - i);
            else while (Character.isDigit(code) && i + 1 < codes.length() && Character.isDigit(codes.charAt(i + 1))) i++;
        }
        String[] regions = {"style:region-left", "style:region-center", "style:region-right"};
        for (int i = 0; i < 3 && codes != null; i++) {
            xml.open(regions[i]);
            for (String line : parts[i].split("\n")) line(xml, line);
            xml.close();
        }
        xml.close();
    }

    private static void line(XmlWriter xml, String line) {
        xml.open("text:p");
        StringBuilder words = new StringBuilder();
        for (int i = 0; i < line.length(); i++) {
            if (line.charAt(i) != '&' || i + 1 >= line.length()) {
                words.append(line.charAt(i));
                continue;
            }
            char code = line.charAt(++i);
            if (code == '&') {
                words.append('&');
                continue;
            }
            if (!words.isEmpty()) xml.text(words.toString());
            words.setLength(0);
            String element = switch (code) {
                case 'P' -> "text:page-number";
                case 'N' -> "text:page-count";
                case 'A' -> "text:sheet-name";
                case 'D' -> "text:date";
                case 'T' -> "text:time";
                default -> "text:title";
            };
            xml.open(element);
            xml.text(code == 'A' || code == 'F' ? "" : "1");
            xml.close();
        }
        if (!words.isEmpty()) xml.text(words.toString());
        xml.close();
    }

    private static void gather(XmlNode node, StringBuilder text) {
        for (Object one : node.content()) {
            if (one instanceof String words) {
                text.append(words.replace("&", "&&"));
                continue;
            }
            XmlNode child = (XmlNode) one;
            switch (child.name()) {
                case "text:page-number" -> text.append("&P");
                case "text:page-count" -> text.append("&N");
                case "text:sheet-name" -> text.append("&A");
                case "text:date" -> text.append("&D");
                case "text:time" -> text.append("&T");
                case "text:title", "text:file-name" -> text.append("&F");
                case "text:s" -> text.append(' ');
                default -> gather(child, text);
            }
        }
    }
}
