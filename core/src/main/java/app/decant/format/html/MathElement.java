package app.decant.format.html;

import app.decant.document.DecantException;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Opaque;
import app.decant.xml.XmlReader;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.jsoup.nodes.Document.OutputSettings.Syntax;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Entities.EscapeMode;
import org.slf4j.LoggerFactory;

/** A formula in a page: its markup as XML, whatever of it was left out as pages may. */
final class MathElement {
    private MathElement() { }

    /** Its words where its markup is none. */
    static Inline read(Element element, Look look) {
        Document alone = new Document("");
        alone.outputSettings().syntax(Syntax.xml).escapeMode(EscapeMode.xhtml).prettyPrint(false);
        alone.appendChild(element.clone().attr("xmlns", "http://www.w3.org/1998/Math/MathML"));
        try {
            String markup = XmlReader.tree(alone.child(0).outerHtml().getBytes(StandardCharsets.UTF_8), "formula").markup();
            return new Inline.OpaqueInline(new Opaque("html", "a formula", markup, Map.of(), null), look);
        } catch (DecantException e) {
            LoggerFactory.getLogger(MathElement.class).info("A formula can't be read; its words stand for it", e);
            return new Inline.Text(element.text(), look);
        }
    }
}
