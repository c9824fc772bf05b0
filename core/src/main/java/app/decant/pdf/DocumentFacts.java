package app.decant.pdf;

import app.decant.document.Facts;
import app.decant.xml.XmlWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Calendar;
import java.util.GregorianCalendar;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.common.PDMetadata;

/** Facts about a document in both places a PDF keeps them, agreeing (ISO 32000-1, 14.3). */
final class DocumentFacts {
    private static final String PRODUCER = "Decant";

    private DocumentFacts() { }

    static void write(PDDocument pdf, Facts facts, Instant when, Standard standard) throws IOException {
        PDDocumentInformation info = new PDDocumentInformation();
        if (facts.title() != null) info.setTitle(facts.title());
        if (facts.subject() != null) info.setSubject(facts.subject());
        if (facts.author() != null) info.setAuthor(facts.author());
        if (facts.keywords() != null) info.setKeywords(facts.keywords());
        info.setProducer(PRODUCER);
        info.setCreator(PRODUCER);
        info.setCreationDate(calendar(when));
        info.setModificationDate(calendar(when));
        pdf.setDocumentInformation(info);
        PDMetadata metadata = new PDMetadata(pdf, new ByteArrayInputStream(packet(facts, when, standard)));
        pdf.getDocumentCatalog().setMetadata(metadata);
    }

    private static Calendar calendar(Instant when) {
        return GregorianCalendar.from(when.truncatedTo(java.time.temporal.ChronoUnit.SECONDS).atZone(ZoneOffset.UTC));
    }

    /** The same as an XMP packet. */
    private static byte[] packet(Facts facts, Instant when, Standard standard) {
        String time = when.truncatedTo(java.time.temporal.ChronoUnit.SECONDS).toString();
        XmlWriter xml = new XmlWriter();
        xml.open("x:xmpmeta", "xmlns:x", "adobe:ns:meta/").open("rdf:RDF", "xmlns:rdf", "http://www.w3.org/1999/02/22-rdf-syntax-ns#");
        xml.open("rdf:Description", "rdf:about", "", "xmlns:dc", "http://purl.org/dc/elements/1.1/", "xmlns:xmp", "http://ns.adobe.com/xap/1.0/", "xmlns:pdf", "http://ns.adobe.com/pdf/1.3/");
        if (facts.title() != null) xml.open("dc:title").open("rdf:Alt").open("rdf:li", "xml:lang", "x-default").text(facts.title()).close().close().close();
        if (facts.author() != null) xml.open("dc:creator").open("rdf:Seq").open("rdf:li").text(facts.author()).close().close().close();
        if (facts.subject() != null) xml.open("dc:description").open("rdf:Alt").open("rdf:li", "xml:lang", "x-default").text(facts.subject()).close().close().close();
        if (facts.keywords() != null) xml.open("pdf:Keywords").text(facts.keywords()).close();
        xml.open("pdf:Producer").text(PRODUCER).close();
        xml.open("xmp:CreatorTool").text(PRODUCER).close();
        xml.open("xmp:CreateDate").text(time).close();
        xml.open("xmp:ModifyDate").text(time).close();
        xml.close();
        if (standard.isArchive()) {
            xml.open("rdf:Description", "rdf:about", "", "xmlns:pdfaid", "http://www.aiim.org/pdfa/ns/id/");
            xml.open("pdfaid:part").text(String.valueOf(standard.part())).close().open("pdfaid:conformance").text(standard.conformance()).close().close();
        }
        if (standard.isAccessible()) {
            if (standard.isArchive()) uaSchema(xml);
            xml.open("rdf:Description", "rdf:about", "", "xmlns:pdfuaid", "http://www.aiim.org/pdfua/ns/id/").open("pdfuaid:part").text("1").close().close();
        }
        xml.close().close();
        String body = new String(xml.bytes(), java.nio.charset.StandardCharsets.UTF_8);
        body = body.substring(body.indexOf('\n') + 1);
        return ("<?xpacket begin=\"\uFEFF\" id=\"W5M0MpCehiHzreSzNTczkc9d\"?>\n" + body + "\n<?xpacket end=\"w\"?>").getBytes(java.nio.charset.StandardCharsets.UTF_8);
    }

    /** Archive files explain every property that their own standard does not know (ISO 19005-2, 6.6.2.3). */
    private static void uaSchema(XmlWriter xml) {
        xml.open("rdf:Description", "rdf:about", "", "xmlns:pdfaExtension", "http://www.aiim.org/pdfa/ns/extension/", "xmlns:pdfaSchema", "http://www.aiim.org/pdfa/ns/schema#", "xmlns:pdfaProperty", "http://www.aiim.org/pdfa/ns/property#");
        xml.open("pdfaExtension:schemas").open("rdf:Bag").open("rdf:li", "rdf:parseType", "Resource");
        xml.open("pdfaSchema:schema").text("PDF/UA Universal Accessibility Schema").close();
        xml.open("pdfaSchema:namespaceURI").text("http://www.aiim.org/pdfua/ns/id/").close();
        xml.open("pdfaSchema:prefix").text("pdfuaid").close();
        xml.open("pdfaSchema:property").open("rdf:Seq").open("rdf:li", "rdf:parseType", "Resource");
        xml.open("pdfaProperty:name").text("part").close();
        xml.open("pdfaProperty:valueType").text("Integer").close();
        xml.open("pdfaProperty:category").text("internal").close();
        xml.open("pdfaProperty:description").text("Indicates which part of ISO 14289 the file follows").close();
        xml.close().close().close();
        xml.close().close().close().close();
    }
}
