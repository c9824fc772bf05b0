package app.decant.bench;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.w3c.dom.Attr;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Spoils markup that stays well-formed: elements go, come twice, change places, swallow each other; attributes say something else. */
final class TreeMutation {
    private static final String[] VALUES = {"", "0", "-1", "1", "2147483647", "99999999999999999999", "1e308", "NaN", "true", "none", "auto", "rId1",
        "\u202E", "x"};
    private static final int MOST_COPIES = 200;

    private final Random random;

    TreeMutation(Random random) { this.random = random; }

    /** The markup spoiled in some places; null for what is none. */
    byte[] of(byte[] markup) {
        try {
            Document document = DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(new ByteArrayInputStream(markup));
            for (int times = 1 + random.nextInt(4); times > 0; times--) spoil(document);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            TransformerFactory.newInstance().newTransformer().transform(new DOMSource(document), new StreamResult(bytes));
            return bytes.toByteArray();
        } catch (Exception | StackOverflowError e) {
            // What another mutation spoiled before, or nests deeper than it can be written, is left to that.
            return null;
        }
    }

    private void spoil(Document document) {
        List<Element> all = new ArrayList<>();
        gather(document.getDocumentElement(), all);
        Element one = all.get(random.nextInt(all.size()));
        Element other = all.get(random.nextInt(all.size()));
        Node parent = one.getParentNode();
        boolean root = parent == document;
        switch (random.nextInt(8)) {
            case 0 -> { if (!root) parent.removeChild(one); }
            case 1 -> { if (!root) for (int i = random.nextInt(4) == 0 ? MOST_COPIES : 1; i > 0; i--) parent.insertBefore(one.cloneNode(true), one); }
            case 2 -> other.appendChild(one.cloneNode(true));
            case 3 -> { while (one.hasChildNodes()) one.removeChild(one.getFirstChild()); }
            case 4 -> {
                if (root) return;
                while (one.hasChildNodes()) parent.insertBefore(one.getFirstChild(), one);
                parent.removeChild(one);
            }
            case 5 -> { if (!root) wrap(one); }
            default -> attribute(one);
        }
    }

    /** An element within so many of its own kind. */
    private void wrap(Element one) {
        for (int i = random.nextInt(3) == 0 ? MOST_COPIES : 1; i > 0; i--) {
            Node shell = one.cloneNode(false);
            Node now = one.getParentNode();
            now.replaceChild(shell, one);
            shell.appendChild(one);
        }
    }

    private void attribute(Element one) {
        if (one.getAttributes().getLength() == 0) return;
        Attr attribute = (Attr) one.getAttributes().item(random.nextInt(one.getAttributes().getLength()));
        if (attribute.getName().startsWith("xmlns")) return;
        if (random.nextInt(4) == 0) one.removeAttributeNode(attribute);
        else attribute.setValue(VALUES[random.nextInt(VALUES.length)]);
    }

    private static void gather(Element element, List<Element> all) {
        all.add(element);
        for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) if (child instanceof Element inner) gather(inner, all);
    }
}
