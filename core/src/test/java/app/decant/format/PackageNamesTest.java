package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.FaresWorkbook;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.format.sheet.SheetFormat;
import app.decant.sheet.Cell;
import app.decant.sheet.CellValue;
import app.decant.sheet.Workbook;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

/** Packages whose parts are called otherwise than their relations say: names are the same in any case (ISO/IEC 29500-2, 6.2.2.3), slashes lean both ways. */
class PackageNamesTest {
    private static final List<UnaryOperator<String>> NAMES = List.of(name -> name.toLowerCase(Locale.ROOT), name -> name.replace('/', '\\'),
            name -> name.replace('/', '\\').toUpperCase(Locale.ROOT), name -> "/" + name);

    private static byte[] renamed(byte[] file, UnaryOperator<String> rename) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> part : Archive.parts(file).entrySet()) {
                zip.putNextEntry(new ZipEntry(rename.apply(part.getKey())));
                zip.write(part.getValue());
            }
        }
        return out.toByteArray();
    }

    @Test void documentsAreFound() throws IOException {
        Document empty = Document.empty();
        byte[] file = Formats.called("docx").write(empty.withSections(List.of(empty.sections().get(0).withBlocks(List.of(Paragraph.of("Ferries sail"))))),
                Instant.EPOCH).bytes();
        for (UnaryOperator<String> rename : NAMES) {
            byte[] other = renamed(file, rename);
            assertThat(Formats.of(other)).isEqualTo(Formats.called("docx"));
            assertThat(Reading.texts(Formats.read(other, "notice.docx", null, Progress.SILENT).document())).containsExactly("Ferries sail");
        }
    }

    @Test void workbooksAreFound() throws IOException {
        Workbook workbook = FaresWorkbook.workbook();
        byte[] file = SheetFormat.XLSX.write(workbook, Instant.EPOCH).bytes();
        for (UnaryOperator<String> rename : NAMES) {
            Workbook read = SheetFormat.XLSX.workbook(new Content(renamed(file, rename), "fares.xlsx"), null, Progress.SILENT).workbook();
            assertThat(read.sheets()).hasSameSizeAs(workbook.sheets());
            assertThat(read.sheets().get(0).rows().size()).isEqualTo(workbook.sheets().get(0).rows().size());
        }
    }

    /** Targets may lean the other way, too. */
    @Test void targetsAreResolved() {
        assertThat(OfficePackage.resolved("word/", "media\\a.png")).isEqualTo("word/media/a.png");
        assertThat(OfficePackage.resolved("word/", "..\\docProps\\core.xml")).isEqualTo("docProps/core.xml");
        assertThat(OfficePackage.resolved("word/", "\\word\\a.xml")).isEqualTo("word/a.xml");
        assertThat(OfficePackage.resolved("", "../../a.xml")).isEqualTo("a.xml");
    }

    /** Values that hold what might part values are quoted, so that it is found out by nobody else. */
    @Test void valuesThatHoldSeparatorsStayWhole() {
        StringBuilder text = new StringBuilder();
        for (int row = 0; row < 6; row++) text.append("\"|\",\"a;b\",").append(row).append(",\"x\ty\"\n");
        Workbook read = SheetFormat.CSV.workbook(new Content(text.toString().getBytes(StandardCharsets.UTF_8), "a.csv"), null, Progress.SILENT).workbook();
        byte[] written = SheetFormat.CSV.write(read, Instant.EPOCH).bytes();
        Workbook again = SheetFormat.CSV.workbook(new Content(written, "a.csv"), null, Progress.SILENT).workbook();
        assertThat(again.sheets().get(0).rows().get(0).cells()).extracting(Cell::value).containsExactly(new CellValue.Text("|"), new CellValue.Text("a;b"),
                new CellValue.Number(0), new CellValue.Text("x\ty"));
    }

    private static byte[] packed(String... namesAndTexts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < namesAndTexts.length; i += 2) {
                zip.putNextEntry(new ZipEntry(namesAndTexts[i]));
                zip.write(namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
            }
        }
        return out.toByteArray();
    }

    /** Packages that were packed again by hand: the part that should stand first stands elsewhere, is missing or says nonsense. */
    @Test void packagesAreToldByTheirMediaTypeWhereverItStands() throws IOException {
        List<String> kinds = List.of("application/vnd.oasis.opendocument.text", "application/vnd.oasis.opendocument.spreadsheet");
        for (String kind : kinds) {
            String manifest = "<manifest:manifest><manifest:file-entry manifest:full-path=\"content.xml\" manifest:media-type=\"text/xml\"/>"
                    + "<manifest:file-entry manifest:media-type=\"" + kind + "\" manifest:full-path=\"/\"/></manifest:manifest>";
            byte[] last = packed("content.xml", "<a/>", "mimetype", kind);
            byte[] none = packed("content.xml", "<a/>", "META-INF/manifest.xml", manifest);
            byte[] wrong = packed("mimetype", "\u0089PNG", "META-INF/manifest.xml", manifest);
            for (byte[] file : List.of(last, none, wrong)) assertThat(new Content(file, "it").isOfMediaType(kind)).isTrue();
        }
    }
}
