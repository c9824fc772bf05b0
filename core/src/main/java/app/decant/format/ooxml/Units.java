package app.decant.format.ooxml;

import app.decant.xml.XmlNode;

/** The measures of Office Open XML as points, and back. */
final class Units {
    static final double EMU = 12700;

    private Units() { }

    /** An attribute in twentieths of a point (or with its unit written, as the strict form does), or null. */
    static Double twips(XmlNode node, String attribute) { return node == null ? null : measure(node.get(attribute), 20); }

    static Double halfPoints(XmlNode node, String attribute) { return node == null ? null : measure(node.get(attribute), 2); }

    static Double eighths(XmlNode node, String attribute) { return node == null ? null : measure(node.get(attribute), 8); }

    static double emu(XmlNode node, String attribute, double otherwise) {
        Double value = node == null ? null : measure(node.get(attribute), EMU);
        return value == null ? otherwise : value;
    }

    /** A number over a divisor, or a number with a unit (ISO/IEC 29500-1, 22.9.2.14); null where it is neither. */
    static Double measure(String text, double divisor) {
        if (text == null || text.isBlank()) return null;
        String value = text.trim();
        try {
            if (value.length() > 2 && Character.isLetter(value.charAt(value.length() - 1))) {
                double number = Double.parseDouble(value.substring(0, value.length() - 2));
                return switch (value.substring(value.length() - 2)) {
                    case "pt" -> number;
                    case "in" -> number * 72;
                    case "cm" -> number * 72 / 2.54;
                    case "mm" -> number * 72 / 25.4;
                    case "pc", "pi" -> number * 12;
                    case "px" -> number * 0.75;
                    default -> null;
                };
            }
            double number = Double.parseDouble(value);
            return Double.isFinite(number) && Math.abs(number / divisor) < 1e6 ? number / divisor : null;
        } catch (NumberFormatException e) {
            return null;
        }
    }

    static Integer whole(XmlNode node, String attribute) {
        String text = node == null ? null : node.get(attribute);
        if (text == null) return null;
        try {
            return (int) Double.parseDouble(text.trim());
        } catch (NumberFormatException e) {
            return null;
        }
    }

    /** An on-off property: present without a value means on; null where it is absent. */
    static Boolean flag(XmlNode parent, String name) {
        XmlNode node = parent.child(name);
        return node == null ? null : Boolean.valueOf(isOn(node));
    }

    static boolean isOn(XmlNode node) {
        String value = node.get("w:val");
        return value == null || !(value.equals("0") || value.equals("false") || value.equals("off"));
    }

    static long toTwips(double points) { return Math.round(points * 20); }
    static long toHalfPoints(double points) { return Math.round(points * 2); }
    static long toEmu(double points) { return Math.round(points * EMU); }
}
