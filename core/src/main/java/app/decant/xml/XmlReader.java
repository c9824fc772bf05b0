package app.decant.xml;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** Reads XML safely: no document types, no {@linkplain Entities entities}, bounded nesting. */
public final class XmlReader {
    private static final int DEEPEST = 400;
    private static final XMLInputFactory FACTORY = factory();

    private XmlReader() { }

    private static XMLInputFactory factory() {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, true);
        return factory;
    }

    /** A whole file as a tree. */
    public static XmlNode tree(byte[] xml, String what) {
        XmlNode[] root = new XmlNode[1];
        stream(xml, what, name -> true, node -> root[0] = node);
        if (root[0] == null) throw damaged(what, null);
        return root[0];
    }

    /**
     * Reads a file piece by piece: every outermost element whose name is wanted is given as a tree and then forgotten, so that a large file
     * needs little memory.
     */
    public static void stream(byte[] xml, String what, Predicate<String> wanted, Consumer<XmlNode> each) {
        try {
            XMLStreamReader in = FACTORY.createXMLStreamReader(new ByteArrayInputStream(Entities.without(xml)));
            Deque<XmlNode> open = new ArrayDeque<>();
            int depth = 0;
            while (in.hasNext()) {
                switch (in.next()) {
                    case XMLStreamConstants.START_ELEMENT -> {
                        if (++depth > DEEPEST) throw new DecantException(DecantException.Kind.UNREADABLE,
                                Message.of("xml.the-file-nests-deeper-than-any-real", what));
                        String name = name(in.getNamespaceURI(), in.getPrefix(), in.getLocalName());
                        if (open.isEmpty() && !wanted.test(name)) continue;
                        open.push(node(in, name));
                    }
                    case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA, XMLStreamConstants.SPACE -> {
                        if (!open.isEmpty()) open.peek().add(in.getText());
                    }
                    case XMLStreamConstants.END_ELEMENT -> {
                        depth--;
                        if (open.isEmpty()) continue;
                        XmlNode done = open.pop();
                        if (open.isEmpty()) each.accept(done);
                        else open.peek().add(done);
                    }
                    default -> { }
                }
            }
        } catch (XMLStreamException e) {
            throw damaged(what, e);
        }
    }

    private static XmlNode node(XMLStreamReader in, String name) {
        XmlNode node = new XmlNode(name, in.getNamespaceURI() == null ? "" : in.getNamespaceURI());
        for (int i = 0; i < in.getAttributeCount(); i++) {
            String namespace = in.getAttributeNamespace(i) == null ? "" : in.getAttributeNamespace(i);
            node.attribute(name(namespace, in.getAttributePrefix(i), in.getAttributeLocalName(i)), namespace, in.getAttributeValue(i));
        }
        return node;
    }

    private static String name(String namespace, String prefix, String local) {
        if (namespace == null || namespace.isEmpty()) return local;
        String own = XmlNames.prefix(namespace, prefix);
        return own.isEmpty() ? local : own + ":" + local;
    }

    private static DecantException damaged(String what, Exception cause) {
        return new DecantException(DecantException.Kind.UNREADABLE, Message.of("xml.the-file-is-damaged-its-part", what), cause);
    }
}
