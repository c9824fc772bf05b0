package app.decant.format.ooxml;

import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Property;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;

/**
 * Properties whose elements go through a look and back: what the look can't say, or would be written otherwise, is kept as it stood. One order of elements
 * serves the reader, which asks what would be written, and the writer.
 *
 * @param property where a look holds the rest
 * @param order    the elements in the order of the schema
 * @param never    elements that are read in other ways, or whose meaning hangs on what stands round them
 */
record KeptMarkup(Property<Markup> property, List<String> order, Set<String> never, Writing own) {
    static final String FAMILY = "ooxml";
    private static final Pattern DECLARED = Pattern.compile(" xmlns:w=\"[^\"]*\"");
    /** Elements that say of complex scripts what others say of all letters. */
    private static final Map<String, String> TWINS = Map.of("w:szCs", "w:sz", "w:bCs", "w:b", "w:iCs", "w:i");

    /** Writes what a look says in one element; nothing where it says nothing of it. */
    interface Writing {
        void element(XmlWriter xml, String name, Look look);
    }

    /** The look with what else these properties say. {@code one} reads a single element. */
    Look rest(XmlNode properties, Look look, Function<XmlNode, Look> one) {
        List<Markup.Piece> pieces = new ArrayList<>();
        for (XmlNode node : properties.children()) {
            if (never.contains(node.name()) || node.name().endsWith("Change") || node.equals(written(node.name(), look))) continue;
            pieces.add(new Markup.Piece(node.name(), DECLARED.matcher(node.markup()).replaceAll(""), meant(node, properties, look, one)));
        }
        // What would be written without having stood there.
        for (String name : order) {
            XmlNode written = never.contains(name) || properties.child(name) != null ? null : written(name, look);
            if (written != null) pieces.add(new Markup.Piece(name, "", meant(written, properties, look, one)));
        }
        pieces.sort(Comparator.comparingInt(piece -> order.contains(piece.name()) ? order.indexOf(piece.name()) : order.size()));
        return pieces.isEmpty() ? look : look.with(property, new Markup(FAMILY, pieces));
    }

    /** The look with one more element, whatever it says. */
    static Look with(Look look, Property<Markup> property, XmlNode node) {
        return node == null ? look : with(look, property, node.name(), DECLARED.matcher(node.markup()).replaceAll(""));
    }

    static Look with(Look look, Property<Markup> property, String name, String said) {
        List<Markup.Piece> pieces = look.says(property) ? new ArrayList<>(look.get(property).pieces()) : new ArrayList<>();
        pieces.add(new Markup.Piece(name, said, Look.PLAIN));
        return look.with(property, new Markup(FAMILY, pieces));
    }

    /** An element that was kept beside the properties, or null. */
    static String beside(Look look, Property<Markup> property, String name) {
        Markup rest = look.get(property);
        return rest == null || !rest.family().equals(FAMILY) ? null : rest.still(name, look);
    }

    private static Look meant(XmlNode node, XmlNode properties, Look look, Function<XmlNode, Look> one) {
        XmlNode twin = TWINS.containsKey(node.name()) ? properties.child(TWINS.get(node.name())) : null;
        return of(look, one.apply(twin == null ? node : twin));
    }

    private static Look of(Look look, Look said) {
        Look meant = Look.PLAIN;
        for (Property<?> each : said.properties()) meant = with(meant, look, each);
        return meant;
    }

    private static <T> Look with(Look meant, Look look, Property<T> each) { return meant.with(each, look.get(each)); }

    /** The element as it would be written of this look alone, or null. */
    private XmlNode written(String name, Look look) {
        if (!order.contains(name)) return null;
        XmlWriter xml = new XmlWriter();
        own.element(xml, name, look);
        String said = xml.markup();
        if (said.isEmpty()) return null;
        xml = new XmlWriter().open("all", "xmlns:w", DocxWriter.NAMESPACES[1]).raw(said).close();
        return XmlReader.tree(xml.bytes(), name).child(name);
    }

    void write(XmlWriter xml, Look look) {
        Markup rest = look.get(property);
        if (rest != null && !rest.family().equals(FAMILY)) rest = null;
        for (String name : order) {
            String still = rest == null ? null : rest.still(name, look);
            if (still != null) xml.raw(still);
            else own.element(xml, name, look);
        }
        if (rest == null) return;
        for (Markup.Piece piece : rest.pieces()) {
            boolean other = !order.contains(piece.name()) && !never.contains(piece.name());
            if (other && rest.still(piece.name(), look) != null) xml.raw(piece.xml());
        }
    }
}
