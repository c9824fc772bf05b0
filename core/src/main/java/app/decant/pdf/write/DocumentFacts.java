package app.decant.pdf.write;

import app.decant.document.Facts;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.Standard;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.common.PDMetadata;

/** Facts about a document in both places a PDF keeps them, agreeing (ISO 32000-1, 14.3). */
public final class DocumentFacts {
    private static final String PRODUCER = "Decant";
    /** The name space in which programs put the further entries of the information dictionary. */
    public static final String OWN = "http://ns.adobe.com/pdfx/1.3/";

    private static final Set<String> KEPT = Set.of("Title", "Author", "Subject", "Keywords", "Creator", "Producer", "CreationDate", "ModDate", "Trapped");

    private DocumentFacts() { }

    /** Writes both places anew; what stood there is gone. */
    public static void write(PDDocument pdf, Facts facts, Times times, Standard standard) throws IOException {
        PDDocumentInformation info = new PDDocumentInformation();
        if (facts.title() != null) info.setTitle(facts.title());
        if (facts.subject() != null) info.setSubject(facts.subject());
        if (facts.author() != null) info.setAuthor(facts.author());
        if (facts.keywords() != null) info.setKeywords(facts.keywords());
        info.setProducer(PRODUCER);
        info.setCreator(PRODUCER);
        Map<String, String> own = own(facts);
        own.forEach((name, value) -> info.getCOSObject().setString(COSName.getPDFName(name), value));
        if (times.made() != null) info.setCreationDate(calendar(times.made()));
        if (times.changed() != null) info.setModificationDate(calendar(times.changed()));
        pdf.setDocumentInformation(info);
        PDMetadata metadata = new PDMetadata(pdf, new ByteArrayInputStream(packet(facts, times, standard)));
        pdf.getDocumentCatalog().setMetadata(metadata);
    }

    /**
     * Which facts a file tells otherwise than they should be, in either of the two places: by their names, with what is told.
     *
     * @throws IOException where the packet can't be read
     */
    public static Map<String, String> differing(PDDocument pdf, Facts facts) throws IOException {
        PDDocumentInformation info = pdf.getDocumentInformation();
        PDMetadata metadata = pdf.getDocumentCatalog().getMetadata();
        XmlNode packet = metadata == null ? null : XmlReader.tree(metadata.toByteArray(), "the facts of a PDF");
        Map<String, String> differing = new TreeMap<>();
        compare("title", facts.title(), info.getTitle(), packet, "dc:title", differing);
        compare("author", facts.author(), info.getAuthor(), packet, "dc:creator", differing);
        compare("subject", facts.subject(), info.getSubject(), packet, "dc:description", differing);
        compare("keywords", facts.keywords(), info.getKeywords(), packet, "pdf:Keywords", differing);
        Map<String, String> own = own(facts);
        Map<String, String> elements = elements(own.keySet());
        own.forEach((name, value) -> compare(name, value, info.getCustomMetadataValue(name), packet, "pdfx:" + elements.get(name), differing));
        for (String name : info.getMetadataKeys()) if (!KEPT.contains(name) && !own.containsKey(name)) differing.put(name, info.getCustomMetadataValue(name));
        return differing;
    }

    private static void compare(String name, String wished, String told, XmlNode packet, String element, Map<String, String> differing) {
        XmlNode node = packet == null ? null : packet.find(element);
        String inPacket = node == null ? null : node.text();
        if (!Objects.equals(seen(wished), seen(told)) || !Objects.equals(seen(wished), seen(inPacket))) differing.put(name, told + " / " + inPacket);
    }

    /** XML has no place for control characters, and line ends are all alike in it. */
    private static String seen(String text) { return text == null ? null : text.replaceAll("[\\p{Cntrl}\\s]+", ""); }

    /** When something was made and last changed; null where that is not told. */
    public record Times(Instant made, Instant changed) {
        public static Times of(PdfChoices choices) {
            Instant made = choices.facts().created();
            return switch (choices.dates()) {
                case NONE -> new Times(null, null);
                case OF_THE_DOCUMENT -> new Times(made == null ? choices.when() : made, choices.facts().changed() == null ? made == null ? choices.when()
                        : made : choices.facts().changed());
                case OF_THE_FILE -> new Times(choices.when(), choices.when());
            };
        }
    }

    private static Calendar calendar(Instant when) {
        return GregorianCalendar.from(when.truncatedTo(ChronoUnit.SECONDS).atZone(ZoneOffset.UTC));
    }

    /** The same as an XMP packet. */
    private static byte[] packet(Facts facts, Times times, Standard standard) {
        XmlWriter xml = new XmlWriter();
        xml.open("x:xmpmeta", "xmlns:x", "adobe:ns:meta/").open("rdf:RDF", "xmlns:rdf", "http://www.w3.org/1999/02/22-rdf-syntax-ns#");
        xml.open("rdf:Description", "rdf:about", "", "xmlns:dc", "http://purl.org/dc/elements/1.1/", "xmlns:xmp", "http://ns.adobe.com/xap/1.0/",
                "xmlns:pdf", "http://ns.adobe.com/pdf/1.3/");
        if (facts.title() != null) xml.open("dc:title").open("rdf:Alt").open("rdf:li", "xml:lang", "x-default").text(facts.title()).close().close().close();
        if (facts.author() != null) xml.open("dc:creator").open("rdf:Seq").open("rdf:li").text(facts.author()).close().close().close();
        if (facts.subject() != null)
            xml.open("dc:description").open("rdf:Alt").open("rdf:li", "xml:lang", "x-default").text(facts.subject()).close().close().close();
        if (facts.keywords() != null) xml.open("pdf:Keywords").text(facts.keywords()).close();
        xml.open("pdf:Producer").text(PRODUCER).close();
        xml.open("xmp:CreatorTool").text(PRODUCER).close();
        if (times.made() != null) xml.open("xmp:CreateDate").text(seconds(times.made())).close();
        if (times.changed() != null) xml.open("xmp:ModifyDate").text(seconds(times.changed())).close();
        xml.close();
        Map<String, String> own = own(facts);
        if (!own.isEmpty()) ownFields(xml, own);
        if (standard.isArchive()) {
            xml.open("rdf:Description", "rdf:about", "", "xmlns:pdfaid", "http://www.aiim.org/pdfa/ns/id/");
            xml.open("pdfaid:part").text(String.valueOf(standard.part())).close().open("pdfaid:conformance").text(standard.conformance()).close().close();
        }
        List<Schema> unknown = new ArrayList<>();
        if (standard.isAccessible())
            unknown.add(new Schema("PDF/UA Universal Accessibility Schema", "http://www.aiim.org/pdfua/ns/id/", "pdfuaid", List.of("part"), "Integer",
                    "internal", "Indicates which part of ISO 14289 the file follows"));
        if (!own.isEmpty()) unknown.add(new Schema("Fields of the document's own", OWN, "pdfx", List.copyOf(elements(own.keySet()).values()), "Text",
                "external", "A field that the document's makers gave it"));
        if (standard.isArchive() && !unknown.isEmpty()) schemas(xml, unknown);
        if (standard.isAccessible()) {
            xml.open("rdf:Description", "rdf:about", "", "xmlns:pdfuaid", "http://www.aiim.org/pdfua/ns/id/").open("pdfuaid:part").text("1").close().close();
        }
        xml.close().close();
        String body = new String(xml.bytes(), StandardCharsets.UTF_8);
        body = body.substring(body.indexOf('\n') + 1);
        return ("<?xpacket begin=\"\uFEFF\" id=\"W5M0MpCehiHzreSzNTczkc9d\"?>\n" + body + "\n<?xpacket end=\"w\"?>")
                .getBytes(StandardCharsets.UTF_8);
    }

    private static String seconds(Instant time) { return time.truncatedTo(ChronoUnit.SECONDS).toString(); }

    /** Fields of the user's own, under the names they have in the information dictionary as far as XML allows. */
    private static void ownFields(XmlWriter xml, Map<String, String> fields) {
        xml.open("rdf:Description", "rdf:about", "", "xmlns:pdfx", OWN);
        elements(fields.keySet()).forEach((name, element) -> xml.open("pdfx:" + element).text(fields.get(name)).close());
        xml.close();
    }

    /** Those that are none of the names the standard keeps for itself. */
    public static Map<String, String> own(Facts facts) {
        Map<String, String> own = new TreeMap<>(facts.others());
        own.keySet().removeIf(name -> name.isBlank() || KEPT.contains(name));
        return own;
    }

    /** The fields' names as XML may hold them: other signs become underscores, and no two are alike. */
    public static Map<String, String> elements(Set<String> names) {
        Map<String, String> elements = new TreeMap<>();
        Set<String> taken = new HashSet<>();
        for (String name : names) {
            String plain = name.replaceAll("[^\\p{L}\\p{N}_.-]", "_");
            String element = Character.isLetter(plain.charAt(0)) || plain.charAt(0) == '_' ? plain : "_" + plain;
            while (!taken.add(element)) element += "_";
            elements.put(name, element);
        }
        return elements;
    }

    /** Properties that an archive standard does not know itself. */
    private record Schema(String words, String space, String prefix, List<String> properties, String type, String category, String about) { }

    /** Archive files explain every property that their own standard does not know (ISO 19005-2, 6.6.2.3). */
    private static void schemas(XmlWriter xml, List<Schema> schemas) {
        xml.open("rdf:Description", "rdf:about", "", "xmlns:pdfaExtension", "http://www.aiim.org/pdfa/ns/extension/", "xmlns:pdfaSchema",
                "http://www.aiim.org/pdfa/ns/schema#", "xmlns:pdfaProperty", "http://www.aiim.org/pdfa/ns/property#");
        xml.open("pdfaExtension:schemas").open("rdf:Bag");
        for (Schema schema : schemas) {
            xml.open("rdf:li", "rdf:parseType", "Resource");
            xml.open("pdfaSchema:schema").text(schema.words()).close();
            xml.open("pdfaSchema:namespaceURI").text(schema.space()).close();
            xml.open("pdfaSchema:prefix").text(schema.prefix()).close();
            xml.open("pdfaSchema:property").open("rdf:Seq");
            for (String property : schema.properties()) {
                xml.open("rdf:li", "rdf:parseType", "Resource");
                xml.open("pdfaProperty:name").text(property).close();
                xml.open("pdfaProperty:valueType").text(schema.type()).close();
                xml.open("pdfaProperty:category").text(schema.category()).close();
                xml.open("pdfaProperty:description").text(schema.about()).close();
                xml.close();
            }
            xml.close().close().close();
        }
        xml.close().close().close();
    }
}
