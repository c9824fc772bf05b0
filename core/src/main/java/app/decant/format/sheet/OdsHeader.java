package app.decant.format.sheet;

import app.decant.xml.XmlNode;

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
