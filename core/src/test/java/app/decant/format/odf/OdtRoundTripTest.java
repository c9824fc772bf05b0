package app.decant.format.odf;

import app.decant.document.Comment;
import app.decant.document.Comments;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Cascade;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.format.Archive;
import app.decant.format.Formats;
import app.decant.format.Portrait.Aspect;
import app.decant.format.Portrait;
import app.decant.format.Taken;
import app.decant.layout.Layout;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

/** OpenDocument text: written and read back as values; what others write, by small files of ISO/IEC 26300-1. */
class OdtRoundTripTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final Set<Aspect> ALL = EnumSet.allOf(Aspect.class);

    private static Document laidOut(Document document) { return Layout.of(document, FontCatalogue.shipped()).withFieldResults(); }

    @Test void keepsAllThatTheDemoDocumentsHold() {
        for (Document document : List.of(PassengerHandbook.document(), HarbourNotice.document())) {
            Document before = laidOut(document);
            byte[] file = OdtWriter.write(before, WHEN, false).bytes();
            assertThat(Formats.of(file)).isEqualTo(OdfFormat.ODT);
            Document after = Formats.read(file, "test.odt", null, Progress.SILENT).document();
            assertThat(Portrait.differences(before, after, ALL)).isEmpty();
            assertThat(Layout.of(after, FontCatalogue.shipped()).count()).isEqualTo(Layout.of(before, FontCatalogue.shipped()).count());
            assertThat(after.facts().title()).isEqualTo(before.facts().title());
            assertThat(after.facts().author()).isEqualTo(before.facts().author());
        }
    }

    /** ISO/IEC 26300-3, 3.3 and 4: the kind first and plain, every part in the manifest; 26300-1: every style that is used is there. */
    @Test void namesOnlyPartsAndStylesThatAreThere() {
        byte[] file = OdtWriter.write(laidOut(PassengerHandbook.document()), WHEN, false).bytes();
        assertThat(new String(file, 30, 47, StandardCharsets.US_ASCII)).isEqualTo("mimetypeapplication/vnd.oasis.opendocument.text");
        Map<String, byte[]> parts = Archive.parts(file);
        List<String> listed = XmlReader.tree(parts.get("META-INF/manifest.xml"), "manifest").children().stream().map(entry -> entry.get("manifest:full-path"))
                .toList();
        assertThat(listed).contains("/").containsAll(parts.keySet().stream().filter(name -> !name.equals("mimetype") && !name.startsWith("META-INF")).toList());
        XmlNode content = XmlReader.tree(parts.get("content.xml"), "content.xml");
        XmlNode styles = XmlReader.tree(parts.get("styles.xml"), "styles.xml");
        Set<String> known = new HashSet<>();
        for (XmlNode part : List.of(content, styles)) gather(part, "style:name", known);
        Set<String> used = new HashSet<>();
        for (String attribute : List.of("text:style-name", "table:style-name", "draw:style-name", "style:parent-style-name", "style:master-page-name",
                "style:page-layout-name")) gather(content, attribute, used);
        assertThat(known).containsAll(used);
    }

    private static void gather(XmlNode node, String attribute, Set<String> into) {
        if (node.get(attribute) != null) into.add(node.get(attribute));
        for (XmlNode child : node.children()) gather(child, attribute, into);
    }

    private static byte[] odt(String automatic, String text) throws IOException {
        StringBuilder names = new StringBuilder();
        XmlNames.OPEN_DOCUMENT.forEach((prefix, namespace) -> names.append(" xmlns:").append(prefix).append("=\"").append(namespace).append('"'));
        Map<String, String> parts = new LinkedHashMap<>();
        parts.put("mimetype", "application/vnd.oasis.opendocument.text");
        parts.put("content.xml", "<office:document-content" + names + "><office:automatic-styles>" + automatic
                + "</office:automatic-styles><office:body><office:text>" + text + "</office:text></office:body></office:document-content>");
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, String> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue().getBytes(StandardCharsets.UTF_8));
                zip.closeEntry();
            }
        }
        return bytes.toByteArray();
    }

    /** ISO/IEC 26300-1, 5.3, 6.1.2, 9.1: lists within lists, white space, repeated and covered cells, sections with columns. */
    @Test void readsWhatOthersWrite() throws IOException {
        Taken taken = Formats.read(odt("<style:style style:name='B' style:family='text'><style:text-properties fo:font-weight='bold' "
                + "fo:color='#c80000'/></style:style>"
                + "<text:list-style style:name='L1'><text:list-level-style-number text:level='1' style:num-format='1' style:num-suffix=')' "
                        + "text:start-value='4'/><text:list-level-style-bullet text:level='2' text:bullet-char='–'/></text:list-style>"
                + "<style:style style:name='S2' style:family='section'><style:section-properties><style:columns fo:column-count='2' "
                        + "fo:column-gap='0.5cm'/></style:section-properties></style:style>",
                "<text:p>One   two\n three<text:s text:c='3'/><text:span text:style-name='B'>bold</text:span><text:tab/>x</text:p>"
                + "<text:list text:style-name='L1'><text:list-item><text:p>first</text:p><text:p>goes "
                        + "on</text:p><text:list><text:list-item><text:p>inner</text:p></text:list-item></text:list></text:list-item><text:list-item>"
                                + "<text:p>second</text:p></text:list-item></text:list>"
                + "<text:section text:style-name='S2' text:name='s'><text:p>in columns</text:p></text:section>"
                + "<table:table><table:table-column table:number-columns-repeated='2'/><table:table-row><table:table-cell "
                        + "table:number-columns-spanned='2'><text:p>wide</text:p></table:table-cell><table:covered-table-cell/></table:table-row>"
                + "<table:table-row><table:table-cell "
                        + "table:number-columns-repeated='2'><text:p>twice</text:p></table:table-cell></table:table-row></table:table><text:p>"
                                + "<office:annotation><text:p>hm</text:p></office:annotation>end</text:p>"), "other.odt", null, Progress.SILENT);
        Document document = taken.document();
        List<Paragraph> paragraphs = document.blocks().stream().filter(block -> block instanceof Paragraph).map(block -> (Paragraph) block).toList();
        assertThat(paragraphs).extracting(Paragraph::plainText).containsExactly("One two three   bold\tx", "first", "goes on", "inner", "second",
                "in columns", "end");
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        assertThat(paragraphs.subList(1, 5)).extracting(labels::label).containsExactly("4)", null, "–", "5)");
        Inline bold = paragraphs.get(0).inlines().stream().filter(inline -> inline instanceof Inline.Text text && text.text().equals("bold")).findFirst()
                .orElseThrow();
        assertThat(bold.look().is(TextProperty.BOLD)).isTrue();
        assertThat(bold.look().get(TextProperty.COLOUR).hex()).isEqualTo("C80000");
        assertThat(document.sections()).extracting(section -> section.columns().count()).containsExactly(1, 2, 1);
        assertThat(document.sections().get(1).start()).isEqualTo(Section.Start.CONTINUOUS);
        Table table = (Table) document.blocks().stream().filter(block -> block instanceof Table).findFirst().orElseThrow();
        assertThat(table.rows().get(0).cells()).hasSize(1).first().satisfies(cell -> assertThat(cell.columnSpan()).isEqualTo(2));
        assertThat(table.rows().get(1).cells()).hasSize(2);
        Comment comment = Comments.borne(document).keySet().iterator().next();
        assertThat(comment.remark().text()).isEqualTo("hm");
        assertThat(Comments.of(paragraphs.get(6).inlines().get(0).look())).containsExactly(comment);
    }

    @Test void brokenFilesEndInASentence() throws IOException {
        byte[] good = OdtWriter.write(laidOut(HarbourNotice.document()), WHEN, false).bytes();
        Random random = new Random(5);
        for (int i = 0; i < 60; i++) {
            byte[] bad = i % 2 == 0 ? Arrays.copyOf(good, 100 + random.nextInt(good.length - 100)) : good.clone();
            for (int k = 0; k < i % 7; k++) bad[100 + random.nextInt(bad.length - 100)] = (byte) random.nextInt(256);
            try {
                Formats.read(bad, "bad.odt", null, Progress.SILENT);
            } catch (DecantException e) {
                assertThat(e.getMessage()).endsWith(".");
            }
        }
        assertThatThrownBy(() -> Formats.read(odt("", "").length > 0 ? odt("", "<text:p>&unknown;</text:p>") : null, "entity.odt", null, Progress.SILENT))
                .isInstanceOf(DecantException.class).hasMessageContaining("content.xml");
    }
}
