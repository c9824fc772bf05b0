package app.decant.pdf.keep;

import app.decant.document.Facts;
import app.decant.pdf.write.DocumentFacts;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/**
 * The packet of metadata that came with a file (ISO 16684-1), in which the facts that people see are said anew. All else in it (history, rights, what
 * standard the file keeps) stays.
 */
final class Metadata {
    private static final String RDF = "http://www.w3.org/1999/02/22-rdf-syntax-ns#";
    private static final String DUBLIN_CORE = "http://purl.org/dc/elements/1.1/";
    private static final String PDF = "http://ns.adobe.com/pdf/1.3/";
    private static final String XMP = "http://ns.adobe.com/xap/1.0/";
    private static final Set<String> SAID = Set.of(DUBLIN_CORE + "title", DUBLIN_CORE + "creator", DUBLIN_CORE + "description", PDF + "Keywords",
            XMP + "ModifyDate");
    private static final String XML_NAMES = "http://www.w3.org/XML/1998/namespace";

    private final Document tree;

    private Metadata(Document tree) { this.tree = tree; }

    /** @throws IOException where the packet can't be read */
    static Metadata of(byte[] packet) throws IOException {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setNamespaceAware(true);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setXIncludeAware(false);
            DocumentBuilder builder = factory.newDocumentBuilder();
            // Its own would write to the terminal.
            builder.setErrorHandler(new DefaultHandler());
            return new Metadata(builder.parse(new ByteArrayInputStream(packet)));
        } catch (ParserConfigurationException | SAXException e) {
            throw new IOException("The metadata can't be read", e);
        }
    }

    /** The packet with these facts. @throws IOException where there is no place for them in it */
    byte[] with(Facts facts, String changed) throws IOException {
        NodeList roots = tree.getElementsByTagNameNS(RDF, "RDF");
        if (roots.getLength() == 0) throw new IOException("The metadata has no description");
        Element root = (Element) roots.item(0);
        NodeList descriptions = root.getElementsByTagNameNS(RDF, "Description");
        List<Element> all = new ArrayList<>();
        for (int i = 0; i < descriptions.getLength(); i++) if (descriptions.item(i).getParentNode() == root) all.add((Element) descriptions.item(i));
        all.forEach(Metadata::clear);
        Element own = tree.createElementNS(RDF, "rdf:Description");
        own.setAttributeNS(RDF, "rdf:about", all.isEmpty() ? "" : all.get(0).getAttributeNS(RDF, "about"));
        list(own, "dc:title", DUBLIN_CORE, "Alt", facts.title());
        list(own, "dc:creator", DUBLIN_CORE, "Seq", facts.author());
        list(own, "dc:description", DUBLIN_CORE, "Alt", facts.subject());
        text(own, "pdf:Keywords", PDF, facts.keywords());
        text(own, "xmp:ModifyDate", XMP, changed);
        Map<String, String> others = DocumentFacts.own(facts);
        DocumentFacts.elements(others.keySet()).forEach((name, element) -> text(own, "pdfx:" + element, DocumentFacts.OWN, others.get(name)));
        if (own.hasChildNodes()) root.appendChild(own);
        return bytes();
    }

    private static void clear(Element description) {
        List<Node> gone = new ArrayList<>();
        for (Node child = description.getFirstChild(); child != null; child = child.getNextSibling())
            if (child instanceof Element && isSaid(child)) gone.add(child);
        gone.forEach(description::removeChild);
        List<Attr> attributes = new ArrayList<>();
        for (int i = 0; i < description.getAttributes().getLength(); i++) {
            Attr attribute = (Attr) description.getAttributes().item(i);
            if (isSaid(attribute)) attributes.add(attribute);
        }
        attributes.forEach(description::removeAttributeNode);
    }

    private static boolean isSaid(Node property) {
        return DocumentFacts.OWN.equals(property.getNamespaceURI()) || SAID.contains(property.getNamespaceURI() + property.getLocalName());
    }

    private void list(Element parent, String name, String space, String kind, String value) {
        if (value == null) return;
        Element property = tree.createElementNS(space, name);
        Element list = tree.createElementNS(RDF, "rdf:" + kind);
        Element item = tree.createElementNS(RDF, "rdf:li");
        if (kind.equals("Alt")) item.setAttributeNS(XML_NAMES, "xml:lang", "x-default");
        item.setTextContent(value);
        list.appendChild(item);
        property.appendChild(list);
        parent.appendChild(property);
    }

    private void text(Element parent, String name, String space, String value) {
        if (value == null) return;
        Element property = tree.createElementNS(space, name);
        property.setTextContent(value);
        parent.appendChild(property);
    }

    private byte[] bytes() throws IOException {
        try {
            TransformerFactory factory = TransformerFactory.newInstance();
            factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_DTD, "");
            factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_STYLESHEET, "");
            Transformer transformer = factory.newTransformer();
            transformer.setOutputProperty(OutputKeys.OMIT_XML_DECLARATION, "yes");
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            transformer.transform(new DOMSource(tree), new StreamResult(out));
            return out.toByteArray();
        } catch (TransformerException e) {
            throw new IOException("The metadata can't be written", e);
        }
    }
}
