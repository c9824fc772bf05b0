package app.decant.format;

import org.openxmlformats.schemas.wordprocessingml.x2006.main.CommentsDocument;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.FontFile;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.binary.BinaryFormat;
import app.decant.format.html.WebFormat;
import app.decant.format.odf.OdfFormat;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.format.rtf.RtfFormat;
import app.decant.layout.Sample;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.xmlbeans.XmlError;
import org.apache.xmlbeans.XmlException;
import org.apache.xmlbeans.XmlObject;
import org.apache.xmlbeans.XmlOptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.DocumentDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.EndnotesDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.FontsDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.FootnotesDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.FtrDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.HdrDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.NumberingDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.SettingsDocument;
import org.openxmlformats.schemas.wordprocessingml.x2006.main.StylesDocument;

/**
 * Written files held to the schemas of their standards: .docx part by part to ISO/IEC 29500 (transitional) as POI holds it, .odt to OpenDocument 1.2
 * by the ODF Toolkit's validator, which also opens the package as ODF asks.
 */
class SchemaTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final String PAGE = """
        <html><head><title>Berths</title><style>.a { column-count: 2 } td { border: 1px solid #aa3300; background: #eee }</style></head>
        <body><h1 id="top">Berths</h1>
        <p style="text-indent: 2em; text-align: justify">One <b>two</b> <i>three</i> <u>four</u> <s>five</s> <sub>6</sub><sup>7</sup>
        <a href="#top">up</a> <a href="https://ferries.example/a b?c=d&amp;e">out</a></p>
        <ul><li>one<ol type="i" start="4"><li>inner</li></ol></li></ul><dl><dt>term</dt><dd>told</dd></dl>
        <blockquote>quoted</blockquote><pre>  set  as  is</pre><hr>
        <table><caption>Fares</caption><thead><tr><th colspan="2">Head</th></tr></thead>
        <tbody><tr><td rowspan="2">a</td><td>b</td></tr><tr><td>c</td></tr></tbody></table>
        <p dir="rtl" lang="ar">مرحبا</p>
        <p>Speed <math><mover><mi>v</mi><mo>¯</mo></mover><mo>=</mo><mfrac><msub><mi>s</mi><mn>1</mn></msub><msqrt><mi>t</mi></msqrt></mfrac><mo>+</mo>
        <munderover><mo>∑</mo><mi>i</mi><mi>n</mi></munderover><mrow><mo>(</mo><mtable><mtr><mtd><mi>a</mi></mtd></mtr></mtable><mo>)</mo></mrow>
        <munder><mtext>lim</mtext><mi>x</mi></munder><mmultiscripts><mi>C</mi><mprescripts/><mn>6</mn><none/></mmultiscripts></math></p></body></html>
        """;

    @TempDir private Path folder;

    /** The demo set, a web page of many parts, what comes through every other format, and fonts that travel. */
    private static Map<String, Document> documents() {
        Map<String, Document> documents = new LinkedHashMap<>();
        Document handbook = PassengerHandbook.document();
        documents.put("handbook", handbook);
        documents.put("notice", HarbourNotice.document());
        documents.put("page", Formats.read(PAGE.getBytes(StandardCharsets.UTF_8), "page.html", null, Progress.SILENT).document());
        documents.put("figures", Sample.of(List.of(Contents.of("TOC \\c \"Figure\"", List.of(Paragraph.of("Figure 1\t3"))), Paragraph.of("The pier"))));
        documents.put("form", FormFieldsTest.form());
        documents.put("changes", Marked.changed());
        documents.put("changed rows", Marked.rows());
        documents.put("comments", Marked.remarked());
        for (Format format : List.of(BinaryFormat.DOC, RtfFormat.RTF, OdfFormat.ODT, OoxmlFormat.DOCX, WebFormat.MD)) {
            documents.put("handbook by " + format, Formats.read(format.write(handbook, WHEN).bytes(), "handbook." + format.ending(), null,
                    Progress.SILENT).document());
        }
        byte[] carlito = FontCatalogue.shipped().match("Carlito", false, false).face().file();
        documents.put("with fonts", HarbourNotice.document().withFonts(List.of(new FontFile("Carlito", false, false, true, carlito), new FontFile("Carlito",
                true, true, false, carlito))));
        return documents;
    }

    @Test void docxPartsAreAsTheSchemaSays() throws IOException {
        List<String> errors = new ArrayList<>();
        for (Map.Entry<String, Document> entry : documents().entrySet()) {
            for (Map.Entry<String, byte[]> part : parts(OoxmlFormat.DOCX.write(entry.getValue(), WHEN).bytes()).entrySet()) {
                for (String error : errors(part.getKey(), part.getValue())) errors.add(entry.getKey() + ", " + part.getKey() + ": " + error);
            }
        }
        assertThat(errors).isEmpty();
    }

    private static Map<String, byte[]> parts(byte[] file) throws IOException {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) parts.put(entry.getName(), in.readAllBytes());
        }
        return parts;
    }

    private static List<String> errors(String name, byte[] part) {
        if (!name.matches("word/[a-zA-Z]+\\d*\\.xml") || name.equals("word/commentsExtended.xml")) return List.of();
        // What only newer programs know stands in a shell for others to pass over (ISO/IEC 29500-3); the schema knows neither.
        String text = new String(part, StandardCharsets.UTF_8).replaceAll("(?s)<mc:AlternateContent[^>]*>.*?</mc:AlternateContent>", "");
        List<XmlError> found = new ArrayList<>();
        try {
            XmlObject parsed = switch (name.replaceAll("word/|\\d*\\.xml", "")) {
                case "document" -> DocumentDocument.Factory.parse(text);
                case "styles" -> StylesDocument.Factory.parse(text);
                case "numbering" -> NumberingDocument.Factory.parse(text);
                case "settings" -> SettingsDocument.Factory.parse(text);
                case "header" -> HdrDocument.Factory.parse(text);
                case "footer" -> FtrDocument.Factory.parse(text);
                case "footnotes" -> FootnotesDocument.Factory.parse(text);
                case "endnotes" -> EndnotesDocument.Factory.parse(text);
                case "fontTable" -> FontsDocument.Factory.parse(text);
                // Numbers of paragraphs are for the part beside it, which no standard's schema knows ([MS-DOCX], 2.5.4).
                case "comments" -> CommentsDocument.Factory.parse(text.replaceAll(" w14:paraId=\"[0-9A-F]{8}\"| mc:Ignorable=\"[^\"]*\"", ""));
                default -> null;
            };
            if (parsed == null) return List.of("is a part that no schema here knows");
            parsed.validate(new XmlOptions().setErrorListener(found));
        } catch (XmlException e) {
            return List.of(e.getMessage());
        }
        return found.stream().map(error -> error.getMessage()).distinct().toList();
    }

    @Test void odtFilesAreAsTheValidatorSays() throws Exception {
        Path validator = Path.of("target", "tools", "odfvalidator.jar");
        assertThat(validator).as("put there by the build").exists();
        List<String> command = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-jar", validator.toString(), "-c"));
        for (Map.Entry<String, Document> entry : documents().entrySet()) {
            for (Format format : List.of(OdfFormat.ODT, OdfFormat.OTT)) {
                Path file = folder.resolve(entry.getKey().replace(' ', '-') + "." + format.ending());
                Files.write(file, format.write(entry.getValue(), WHEN).bytes());
                command.add(file.toString());
            }
        }
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        assertThat(said).doesNotContain("rror");
        // It does find what is wrong.
        Path broken = folder.resolve("broken.odt");
        Files.write(broken, "no archive".getBytes(StandardCharsets.UTF_8));
        assertThat(new ProcessBuilder(command.get(0), "-jar", validator.toString(), "-c", broken.toString()).redirectErrorStream(true)
                .start().waitFor()).isNotZero();
    }
}
