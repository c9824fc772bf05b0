package app.decant.xml;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;

/** One element of an XML tree. Names carry the prefix that {@link XmlNames} gives their namespace, whatever prefix the file used. */
public final class XmlNode {
    private static final int FEW = 4;
    private final String name;
    private final String namespace;
    /** Most elements of large files have neither: they are made when they are needed. */
    private Map<String, String> attributes = Map.of();
    private Map<String, String> attributeNamespaces = Map.of();
    private List<Object> content = List.of();

    XmlNode(String name, String namespace) {
        this.name = name;
        this.namespace = namespace;
    }

    void attribute(String attributeName, String attributeNamespace, String value) {
        if (attributes.isEmpty()) attributes = new LinkedHashMap<>(FEW);
        attributes.put(attributeName, value);
        if (attributeNamespace.isEmpty()) return;
        if (attributeNamespaces.isEmpty()) attributeNamespaces = new LinkedHashMap<>(FEW);
        attributeNamespaces.put(attributeName, attributeNamespace);
    }

    void add(XmlNode child) { put(child); }
    void add(String text) { put(text); }

    private void put(Object one) {
        if (content.isEmpty()) content = new ArrayList<>(FEW);
        content.add(one);
    }

    public String name() { return name; }
    public boolean is(String other) { return name.equals(other); }

    /** An attribute's value, or null. */
    public String get(String attribute) { return attributes.get(attribute); }

    public String get(String attribute, String otherwise) { return attributes.getOrDefault(attribute, otherwise); }

    /** The names of all its attributes. */
    public Set<String> attributes() { return Collections.unmodifiableSet(attributes.keySet()); }

    /** The same name, whose prefix tells its namespace, the same attributes in whatever order, and the same content. */
    @Override public boolean equals(Object other) {
        return this == other || other instanceof XmlNode node && name.equals(node.name)
                && attributes.equals(node.attributes) && content.equals(node.content);
    }

    @Override public int hashCode() { return name.hashCode() * 31 * 31 + attributes.hashCode() * 31 + content.hashCode(); }

    /** Everything in it, in order: texts as strings, elements as nodes. */
    public List<Object> content() { return Collections.unmodifiableList(content); }

    /** The child elements. */
    public List<XmlNode> children() {
        List<XmlNode> children = new ArrayList<>(content.size());
        for (Object one : content) if (one instanceof XmlNode node) children.add(node);
        return children;
    }

    public List<XmlNode> children(String wanted) {
        List<XmlNode> children = new ArrayList<>();
        for (Object one : content) if (one instanceof XmlNode node && node.name.equals(wanted)) children.add(node);
        return children;
    }

    /** The first child of a name, or null. */
    public XmlNode child(String wanted) {
        for (Object one : content) if (one instanceof XmlNode node && node.name.equals(wanted)) return node;
        return null;
    }

    /** The node at the end of a way of names, or null. */
    public XmlNode at(String... way) {
        XmlNode node = this;
        for (String step : way) {
            node = node.child(step);
            if (node == null) return null;
        }
        return node;
    }

    /** The first node of a name anywhere below, or null. */
    public XmlNode find(String wanted) {
        for (XmlNode child : children()) {
            if (child.name.equals(wanted)) return child;
            XmlNode deeper = child.find(wanted);
            if (deeper != null) return deeper;
        }
        return null;
    }

    /** All text within. */
    public String text() {
        if (content.size() == 1 && content.get(0) instanceof String only) return only;
        StringBuilder text = new StringBuilder();
        gather(text);
        return text.toString();
    }

    private void gather(StringBuilder text) {
        for (Object one : content) {
            if (one instanceof String part) text.append(part);
            else ((XmlNode) one).gather(text);
        }
    }

    /** Every attribute value below and here whose attribute is in the namespace. */
    public void attributesIn(String wantedNamespace, Consumer<String> each) {
        attributeNamespaces.forEach((attribute, uri) -> {
            if (uri.equals(wantedNamespace)) each.accept(attributes.get(attribute));
        });
        for (XmlNode child : children()) child.attributesIn(wantedNamespace, each);
    }

    /** The same without the elements of some names, wherever they stand below it. */
    public XmlNode without(Set<String> names) {
        XmlNode copy = new XmlNode(name, namespace);
        copy.attributes = attributes;
        copy.attributeNamespaces = attributeNamespaces;
        for (Object one : content) {
            if (one instanceof String text) copy.add(text);
            else if (!names.contains(((XmlNode) one).name)) copy.add(((XmlNode) one).without(names));
        }
        return copy;
    }

    /** This element as markup that declares every namespace it uses. */
    public String markup() {
        Map<String, String> used = new TreeMap<>();
        gatherNamespaces(used);
        StringBuilder text = new StringBuilder();
        write(text, used);
        return text.toString();
    }

    private void gatherNamespaces(Map<String, String> used) {
        put(used, name, namespace);
        attributeNamespaces.forEach((attribute, uri) -> put(used, attribute, uri));
        for (XmlNode child : children()) child.gatherNamespaces(used);
    }

    private static void put(Map<String, String> used, String qualified, String uri) {
        int colon = qualified.indexOf(':');
        if (colon > 0 && !qualified.startsWith("xml:")) used.put(qualified.substring(0, colon), uri);
    }

    private void write(StringBuilder text, Map<String, String> declare) {
        text.append('<').append(name);
        declare.forEach((prefix, uri) -> text.append(" xmlns:").append(prefix).append("=\"").append(XmlWriter.escaped(uri)).append('"'));
        attributes.forEach((attribute, value) -> text.append(' ').append(attribute).append("=\"").append(XmlWriter.escaped(value)).append('"'));
        if (content.isEmpty()) {
            text.append("/>");
            return;
        }
        text.append('>');
        for (Object one : content) {
            if (one instanceof String part) text.append(XmlWriter.escaped(part));
            else ((XmlNode) one).write(text, Map.of());
        }
        text.append("</").append(name).append('>');
    }
}
