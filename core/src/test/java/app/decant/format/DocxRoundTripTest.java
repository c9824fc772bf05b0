package app.decant.format;

import java.util.ArrayList;
import org.apache.poi.xwpf.usermodel.XWPFComment;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.format.ooxml.DocxWriter;
import app.decant.format.text.TextWriter;
import app.decant.layout.Layout;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.apache.poi.xddf.usermodel.chart.ChartTypes;
import org.apache.poi.xddf.usermodel.chart.XDDFDataSourcesFactory;
import org.apache.poi.xwpf.usermodel.XWPFChart;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.apache.poi.xwpf.usermodel.XWPFParagraph;
import org.apache.poi.xwpf.usermodel.XWPFTable;
import org.apache.xmlbeans.XmlError;
import org.apache.xmlbeans.XmlOptions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** .docx written and read: by us again as values, and by POI, a reader that is not ours. */
class DocxRoundTripTest {
    private static final Instant WHEN = Instant.parse("2026-11-16T10:00:00Z");

    static Stream<Document> demoDocuments() { return Stream.of(PassengerHandbook.document(), HarbourNotice.document()); }

    private static Document read(byte[] file) { return Formats.read(file, "file.docx", null, Progress.SILENT).document(); }

    @ParameterizedTest @MethodSource("demoDocuments") void everythingComesBackAsItWas(Document document) {
        Document back = read(DocxWriter.write(document, WHEN));
        assertThat(back.styles()).isEqualTo(document.styles());
        assertThat(back.sections()).hasSameSizeAs(document.sections());
        for (int i = 0; i < back.sections().size(); i++) {
            Section now = back.sections().get(i);
            Section was = document.sections().get(i);
            assertThat(now.columns()).isEqualTo(was.columns());
            assertThat(now.start()).isEqualTo(was.start());
            assertThat(now.firstPageDiffers()).isEqualTo(was.firstPageDiffers());
            assertThat(now.page()).usingRecursiveComparison().withComparatorForType((a, b) -> Math.abs(a - b) < 0.06 ? 0 : 1, Double.class)
                    .isEqualTo(was.page());
        }
        List<Walk.Stop> now = Walk.of(back).stops();
        List<Walk.Stop> was = Walk.of(document).stops();
        assertThat(now).extracting(Walk.Stop::path).containsExactlyElementsOf(was.stream().map(Walk.Stop::path).toList());
        for (int i = 0; i < now.size(); i++) {
            Paragraph one = now.get(i).paragraph();
            Paragraph other = was.get(i).paragraph();
            assertThat(one.text()).isEqualTo(other.text());
            assertThat(one.style()).isEqualTo(other.style());
            assertThat(one.look()).isEqualTo(other.look());
            assertThat(one.inlines()).extracting(Inline::look).containsExactlyElementsOf(other.inlines().stream().map(Inline::look).toList());
        }
        assertThat(Layout.of(back, FontCatalogue.shipped()).count()).isEqualTo(Layout.of(document, FontCatalogue.shipped()).count());
    }

    @Test void theSameDocumentGivesTheSameBytes() {
        assertThat(DocxWriter.write(PassengerHandbook.document(), WHEN)).isEqualTo(DocxWriter.write(PassengerHandbook.document(), WHEN));
    }

    @Test void poiReadsTextTablesNotesPicturesAndHeads() throws IOException {
        Document document = PassengerHandbook.document();
        try (XWPFDocument poi = new XWPFDocument(new ByteArrayInputStream(DocxWriter.write(document, WHEN)))) {
            List<Table> tables = document.blocks().stream().filter(Table.class::isInstance).map(Table.class::cast).toList();
            assertThat(poi.getTables()).hasSameSizeAs(tables);
            XWPFTable fares = poi.getTables().get(0);
            assertThat(fares.getRow(1).getCell(1).getText()).isEqualTo("6.40");
            assertThat(poi.getFootnotes().stream().filter(note -> note.getId().intValue() > 0)).hasSize(3);
            assertThat(poi.getAllPictures()).as("the mark, the chart, and the ferry once for both its places").hasSize(3);
            assertThat(poi.getHeaderList()).extracting(header -> header.getText().trim()).contains("Ostrey Sound Ferries \u00B7 Passenger handbook");
            assertThat(poi.getParagraphs().stream().filter(paragraph -> "Heading2".equals(paragraph.getStyle())).map(XWPFParagraph::getText))
                    .contains("Tickets and fares", "Still not content");
            assertThat(poi.getProperties().getCoreProperties().getTitle()).isEqualTo("Passenger handbook");
        }
    }

    /** Real files written by other programs (see real/LICENCE.txt): opened, saved and opened again they keep all that was seen in them. */
    @ParameterizedTest @CsvSource({"docx-01.docx", "docx-03.docx", "docx-04.docx", "docx-06.docx",
            "docx-08.docx"}) void realFilesKeepWhatWasSeen(String name) throws IOException {
        Document first = read(real(name));
        byte[] saved = DocxWriter.write(first, WHEN);
        Document second = read(saved);
        assertThat(TextWriter.write(second)).isEqualTo(TextWriter.write(first));
        assertThat(second.styles()).isEqualTo(first.styles());
        assertThat(second.kept()).extracting(Opaque.Part::name).containsExactlyInAnyOrderElementsOf(first.kept().stream().map(Opaque.Part::name).toList());
        try (XWPFDocument poi = new XWPFDocument(new ByteArrayInputStream(saved))) {
            assertThat(poi.getBodyElements()).isNotEmpty();
        }
    }

    /** The number of pages against the count that the program which made the file stored in docProps/app.xml. */
    @ParameterizedTest @CsvSource({"docx-01.docx", "docx-03.docx", "docx-04.docx", "docx-06.docx",
            "docx-08.docx"}) void realFilesHaveAsManyPagesAsTheirMakerCounted(String name) throws IOException {
        Document document = read(real(name));
        int stored = Integer.parseInt(document.facts().others().get("Pages"));
        assertThat(Layout.of(document, FontCatalogue.shipped()).count()).isEqualTo(stored);
    }

    @Test void aContentsListOfAFileIsOneBlockWithItsEntries() {
        Document back = read(DocxWriter.write(PassengerHandbook.document(), WHEN));
        Contents contents = (Contents) back.blocks().stream().filter(Contents.class::isInstance).findFirst().orElseThrow();
        assertThat(contents.toLevel()).isEqualTo(3);
        assertThat(contents.entries()).hasSize(30);
    }

    /** A chart made by POI: not edited here, but there again, with its data, in what is written. */
    @Test void whatCanNotBeEditedIsKeptAndWrittenBack() throws Exception {
        ByteArrayOutputStream made = new ByteArrayOutputStream();
        try (XWPFDocument poi = new XWPFDocument()) {
            poi.createParagraph().createRun().setText("Passengers");
            XWPFChart chart = poi.createChart(4_000_000, 2_000_000);
            chart.setTitleText("Passengers by month");
            var months = XDDFDataSourcesFactory.fromArray(new String[] {"Jan", "Feb"});
            var counts = XDDFDataSourcesFactory.fromArray(new Integer[] {410, 380});
            var data = chart.createData(ChartTypes.PIE, null, null);
            data.addSeries(months, counts);
            chart.plot(data);
            poi.write(made);
        }
        Taken taken = Formats.read(made.toByteArray(), "chart.docx", null, Progress.SILENT);
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("a chart"));
        try (XWPFDocument poi = new XWPFDocument(new ByteArrayInputStream(DocxWriter.write(taken.document(), WHEN)))) {
            assertThat(poi.getCharts()).hasSize(1);
            assertThat(poi.getCharts().get(0).getTitle().getBody().getParagraph(0).getText()).isEqualTo("Passengers by month");
            try (XWPFDocument before = new XWPFDocument(new ByteArrayInputStream(made.toByteArray()))) {
                assertThat(poi.getCharts().get(0).getCTChart().xmlText()).isEqualTo(before.getCharts().get(0).getCTChart().xmlText());
                assertThat(chartParts(poi)).isNotEmpty().isEqualTo(chartParts(before));
            }
        }
    }

    private static List<String> chartParts(XWPFDocument document) throws Exception {
        return document.getPackage().getParts().stream().map(part -> part.getPartName().getName()).filter(name -> name.contains("/charts/")
                || name.contains("/embeddings/")).sorted().toList();
    }

    /** 17.6: what of a section's properties is not read is given back, in the order of the schema, and only what may be there. */
    @Test void whatSectionsSayBeyondWhatIsReadIsGivenBack() throws IOException {
        String told = "<w:footnotePr><w:numFmt w:val=\"upperRoman\"/></w:footnotePr><w:pgSz w:w=\"11906\" w:h=\"16838\"/><w:pgMar w:top=\"1000\" "
                + "w:right=\"1000\" "
                + "w:bottom=\"1000\" w:left=\"1000\" w:header=\"500\" w:footer=\"500\" w:gutter=\"0\"/><w:pgBorders w:offsetFrom=\"page\"><w:top "
                + "w:val=\"single\" "
                + "w:sz=\"8\" w:space=\"24\" w:color=\"auto\"/></w:pgBorders><w:lnNumType w:countBy=\"5\"/><w:vAlign w:val=\"center\"/><w:titlePg/>"
                + "<w:textDirection w:val=\"tbRl\"/><w:docGrid w:linePitch=\"360\"/>";
        byte[] file = new DocxParts().bytes("<w:p><w:r><w:t>x</w:t></w:r></w:p><w:sectPr>" + told + "</w:sectPr>");
        Document document = Formats.read(file, "made.docx", null, Progress.SILENT).document();
        try (XWPFDocument poi = new XWPFDocument(new ByteArrayInputStream(DocxWriter.write(document, WHEN)))) {
            List<XmlError> errors = new ArrayList<>();
            assertThat(poi.getDocument().getBody().getSectPr().validate(new XmlOptions().setErrorListener(errors))).as("%s", errors).isTrue();
            String written = poi.getDocument().getBody().getSectPr().xmlText();
            for (String name : List.of("footnotePr", "pgBorders", "lnNumType", "vAlign", "textDirection", "docGrid")) assertThat(written)
                    .contains("<w:" + name);
            assertThat(written).contains("w:countBy=\"5\"").contains("upperRoman").contains("w:linePitch=\"360\"");
        }
    }

    /** The comments of a real file, and where they stand, as POI reads them before and after. */
    @Test void commentsOfARealFileStayWhereTheyAre() throws IOException {
        byte[] file = real("docx-06.docx");
        byte[] again = DocxWriter.write(Formats.read(file, "docx-06.docx", null, Progress.SILENT).document(), WHEN);
        assertThat(comments(again)).isNotEmpty().isEqualTo(comments(file));
    }

    private static List<String> comments(byte[] file) throws IOException {
        try (XWPFDocument poi = new XWPFDocument(new ByteArrayInputStream(file))) {
            List<String> comments = new ArrayList<>();
            for (XWPFComment comment : poi.getDocComments().getComments()) {
                String text = comment.getText().strip();
                String range = poi.getDocument().xmlText().replaceAll("(?s).*<w:commentRangeStart w:id=\"" + comment.getId() + "\"/>", "")
                        .replaceAll("(?s)<w:commentRangeEnd w:id=\"" + comment.getId() + "\"/>.*", "").replaceAll("<[^>]*>", "");
                comments.add(comment.getAuthor() + " " + comment.getDate().toInstant() + " " + text + ": " + range);
            }
            return comments;
        }
    }

    private static byte[] real(String name) throws IOException {
        return DocxRoundTripTest.class.getResourceAsStream("/app/decant/real/" + name).readAllBytes();
    }
}
