package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.pdf.Dates;
import app.decant.publish.FactsRule;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

/** What a kept PDF says about itself, in its information and in its packet of metadata (ISO 32000-2, 14.3; ISO 16684-1), read by PDFBox and the JDK. */
class KeptFactsTest {
    private static final String RDF = "http://www.w3.org/1999/02/22-rdf-syntax-ns#";
    private static final String DC = "http://purl.org/dc/elements/1.1/";
    private static final String XMP = "http://ns.adobe.com/xap/1.0/";
    private static final String PDF = "http://ns.adobe.com/pdf/1.3/";
    private static final String HISTORY = "<rdf:Description rdf:about='uuid:7' xmlns:hb='https://harbour.example/ns/' hb:berth='12'><hb:log><rdf:Seq>"
            + "<rdf:li rdf:parseType='Resource'><hb:when>2019</hb:when></rdf:li></rdf:Seq></hb:log></rdf:Description>";
    /** The facts as elements of their own, in lists. */
    private static final String AS_ELEMENTS = "<rdf:Description rdf:about='uuid:7' xmlns:dc='" + DC + "' xmlns:xmp='" + XMP + "' xmlns:pdf='" + PDF + "'>"
            + "<dc:title><rdf:Alt><rdf:li xml:lang='x-default'>Old title</rdf:li><rdf:li xml:lang='de'>Alter Titel</rdf:li></rdf:Alt></dc:title>"
            + "<dc:creator><rdf:Seq><rdf:li>Ina Vold</rdf:li><rdf:li>Jon Dahl</rdf:li></rdf:Seq></dc:creator><pdf:Keywords>old words</pdf:Keywords>"
            + "<xmp:CreateDate>2019-05-01T10:00:00Z</xmp:CreateDate><xmp:ModifyDate>2019-05-02T10:00:00Z</xmp:ModifyDate></rdf:Description>";
    /** The same written short, as attributes (ISO 16684-1, 7.9.2.2). */
    private static final String AS_ATTRIBUTES = "<rdf:Description rdf:about='uuid:7' xmlns:xmp='" + XMP + "' xmlns:pdf='" + PDF + "' pdf:Keywords='old words' "
            + "pdf:Producer='Old maker' xmp:ModifyDate='2019-05-02T10:00:00Z' xmp:CreateDate='2019-05-01T10:00:00Z'/>";

    @TempDir private Path root;

    private Path file(String packet, Map<String, String> info) throws IOException {
        Path file = root.resolve("notice.pdf");
        try (PDDocument pdf = new PDDocument()) {
            pdf.addPage(new PDPage());
            info.forEach((name, value) -> pdf.getDocumentInformation().setCustomMetadataValue(name, value));
            if (packet != null) pdf.getDocumentCatalog().setMetadata(new PDMetadata(pdf, new ByteArrayInputStream(packet.getBytes(StandardCharsets.UTF_8))));
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            pdf.save(out);
            Files.write(file, out.toByteArray());
        }
        return file;
    }

    private static String packet(String... descriptions) {
        return "<?xpacket begin='\uFEFF' id='W5M0MpCehiHzreSzNTczkc9d'?><x:xmpmeta xmlns:x='adobe:ns:meta/'><rdf:RDF xmlns:rdf='" + RDF + "'>"
                + String.join("", descriptions) + "</rdf:RDF></x:xmpmeta><?xpacket end='w'?>";
    }

    private Receipt publish(Path file, FactsRule facts) {
        Recipe recipe = Recipe.PLAIN.with(facts).with(Recipe.WhenPresent.REPLACE);
        Intake intake = new Intake(file, null);
        return Decant.publish(new Order(intake.pages(recipe, Progress.SILENT), recipe, Recipe.Passwords.NONE, file), root.resolve("result.pdf"),
                Progress.SILENT)
                .get(0);
    }

    private static Document metadata(PDDocument pdf) throws Exception {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        return factory.newDocumentBuilder().parse(new ByteArrayInputStream(pdf.getDocumentCatalog().getMetadata().toByteArray()));
    }

    /** All words that a property says, in elements and in attributes. */
    private static List<String> said(Document metadata, String space, String name) {
        List<String> said = new ArrayList<>();
        NodeList elements = metadata.getElementsByTagNameNS(space, name);
        for (int i = 0; i < elements.getLength(); i++) said.add(elements.item(i).getTextContent().strip());
        NodeList descriptions = metadata.getElementsByTagNameNS(RDF, "Description");
        for (int i = 0; i < descriptions.getLength(); i++)
            if (((Element) descriptions.item(i)).hasAttributeNS(space, name)) said.add(((Element) descriptions.item(i)).getAttributeNS(space, name));
        return said;
    }

    /** What was said stands in neither form any more; what is said stands there once; all else is as it was. */
    @ParameterizedTest @ValueSource(strings = {AS_ELEMENTS, AS_ATTRIBUTES, ""})
    void factsAreSaidOnceAndAllElseStays(String before) throws Exception {
        Path file = file(packet(before, HISTORY), Map.of("Title", "Old title", "Author", "Ina Vold", "Keywords", "old words", "File number", "HO 12/6"));
        Receipt receipt = publish(file, new FactsRule(false, "Summer timetable", null, null, "ferries, summer", null));
        assertThat(receipt.proven()).isTrue();
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            Document metadata = metadata(pdf);
            assertThat(said(metadata, DC, "title")).containsExactly("Summer timetable");
            assertThat(said(metadata, PDF, "Keywords")).containsExactly("ferries, summer");
            assertThat(said(metadata, DC, "creator")).containsExactly("Ina Vold");
            assertThat(said(metadata, "https://harbour.example/ns/", "berth")).containsExactly("12");
            assertThat(said(metadata, "https://harbour.example/ns/", "when")).containsExactly("2019");
            if (!before.isEmpty()) assertThat(said(metadata, XMP, "CreateDate")).containsExactly("2019-05-01T10:00:00Z");
            PDDocumentInformation info = pdf.getDocumentInformation();
            assertThat(info.getTitle()).isEqualTo("Summer timetable");
            assertThat(info.getKeywords()).isEqualTo("ferries, summer");
            assertThat(info.getCustomMetadataValue("File number")).isEqualTo("HO 12/6");
        }
    }

    /** Facts taken out are in neither place, and fields of an office's own go with their names into both. */
    @Test void factsGoFromBothPlacesAndOwnOnesComeIntoBoth() throws Exception {
        Path file = file(packet(AS_ELEMENTS, HISTORY), Map.of("Title", "Old title", "Author", "Ina Vold", "Ward", "North"));
        Receipt receipt = publish(file, new FactsRule(false, null, null, "", null, null, Dates.OF_THE_FILE, Map.of("Ward", "", "Record class", "B 4")));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            Document metadata = metadata(pdf);
            assertThat(said(metadata, DC, "creator")).isEmpty();
            assertThat(pdf.getDocumentInformation().getAuthor()).isNull();
            assertThat(pdf.getDocumentInformation().getCustomMetadataValue("Record class")).isEqualTo("B 4");
            assertThat(pdf.getDocumentInformation().getCOSObject().containsKey(COSName.getPDFName("Ward"))).isFalse();
            assertThat(metadata.getDocumentElement().getTextContent()).contains("B 4").doesNotContain("North").doesNotContain("Ina Vold");
        }
    }

    @Test void strippedFilesSayNothing() throws IOException {
        Path file = file(packet(AS_ELEMENTS, HISTORY), Map.of("Title", "Old title", "Author", "Ina Vold", "Ward", "North"));
        Receipt receipt = publish(file, FactsRule.STRIP);
        assertThat(receipt.proven()).isTrue();
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            String packet = pdf.getDocumentCatalog().getMetadata() == null ? "" : new String(pdf.getDocumentCatalog().getMetadata().toByteArray(),
                    StandardCharsets.UTF_8);
            assertThat(packet).doesNotContain("Old title").doesNotContain("Ina Vold").doesNotContain("harbour.example");
            assertThat(pdf.getDocumentInformation().getTitle()).isNull();
            assertThat(pdf.getDocumentInformation().getCustomMetadataValue("Ward")).isNull();
        }
    }

    /** A packet that can't be read, or that would fetch something, is made anew, which is told; nothing is fetched. */
    @ParameterizedTest @ValueSource(strings = {"not xml at all", "<x:xmpmeta xmlns:x='adobe:ns:meta/'/>", "<a>",
        "<!DOCTYPE a [<!ENTITY e SYSTEM 'file:///etc/passwd'>]><x:xmpmeta xmlns:x='adobe:ns:meta/'>&e;</x:xmpmeta>"})
    void packetsThatCanNotBeReadAreMadeAnew(String packet) throws Exception {
        Path file = file(packet, Map.of("Title", "Old title"));
        Receipt receipt = publish(file, new FactsRule(false, "Summer timetable", null, null, null, null));
        assertThat(receipt.proven()).isTrue();
        assertThat(receipt.findings()).extracting(Finding::what).anyMatch(what -> what.contains("etadata"));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(said(metadata(pdf), DC, "title")).containsExactly("Summer timetable");
            assertThat(metadata(pdf).getDocumentElement().getTextContent()).doesNotContain("root:");
        }
    }

    /** Signs that mean something in XML and in PDF strings come back as they are. */
    @Test void titlesMayHoldAnySign() throws Exception {
        String title = "Fares <2027> & \"times\" (north\\south) \u2013 \u0416\u05D0\u4E2D \uD83D\uDEA2";
        Path file = file(packet(AS_ELEMENTS), Map.of("Title", "Old title"));
        Receipt receipt = publish(file, new FactsRule(false, title, null, null, null, null));
        assertThat(receipt.proven()).isTrue();
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo(title);
            assertThat(said(metadata(pdf), DC, "title")).containsExactly(title);
        }
    }

    @Test void aFileWithoutFactsIsGivenThem() throws Exception {
        Path file = file(null, Map.of());
        Receipt receipt = publish(file, new FactsRule(false, "Summer timetable", "Crossings", "Mira Okafor", null, "en-GB"));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getLanguage()).isEqualTo("en-GB");
            assertThat(pdf.getDocumentInformation().getSubject()).isEqualTo("Crossings");
            assertThat(said(metadata(pdf), DC, "creator")).containsExactly("Mira Okafor");
        }
    }
}
