package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Opaque;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What would run something or reach into a machine once somebody opens a result does not come along, wherever it stands; the words do. */
class PassingLinksTest {
    private final List<Finding> findings = new ArrayList<>();

    private Document passed(Document document, String... others) { return PassingLinks.of(document, Set.of(others), findings); }

    private List<String> told() { return findings.stream().map(Finding::what).toList(); }

    private static Inline linked(String text, String address) { return new Inline.Text(text, Look.of(TextProperty.LINK, new Link.Address(address))); }

    private static Inline field(String instruction, String result) { return new Inline.Field(Inline.Field.Kind.OTHER, instruction, result, Look.PLAIN); }

    private static Paragraph paragraph(Inline... inlines) { return Paragraph.of("").withInlines(List.of(inlines)); }

    private static Document document(Block... blocks) {
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(List.of(blocks))));
    }

    private static List<Inline> inlines(Document document) { return ((Paragraph) document.blocks().get(0)).inlines(); }

    @ParameterizedTest @ValueSource(strings = {"javascript:alert(1)", "JavaScript:alert(1)", "file:///etc/passwd", "vbscript:x", "data:text/html,x",
            "smb://host/share",
        "\\\\host\\share\\a.exe", "office-app:open|https://x.example", "#fares", "fares.html",
        "../a.docx"}) void linksByOtherSchemesLoseTheirAddress(String address) {
        Document made = passed(document(paragraph(linked("Read more", address), new Inline.Text(".", Look.PLAIN))));
        Link left = inlines(made).get(0).look().get(TextProperty.LINK);
        assertThat(left).as("the words stay, the address goes").isNull();
        assertThat(((Paragraph) made.blocks().get(0)).text()).isEqualTo("Read more.");
        assertThat(told()).hasSize(1);
    }

    @ParameterizedTest @ValueSource(strings = {"https://ferries.example/", "http://ferries.example/a b", "mailto:desk@ferries.example",
            "HTTPS://ferries.example"})
    void usualLinksPass(String address) {
        Document document = document(paragraph(linked("Read more", address)));
        assertThat(passed(document)).isSameAs(document);
        assertThat(told()).isEmpty();
    }

    /** A scheme that an office allows passes; one link of several runs is told once. */
    @Test void schemesMayBeAllowedAndRunsAreOneLink() {
        Inline bold = new Inline.Text("more", Look.of(TextProperty.LINK, new Link.Address("tide:now")).with(TextProperty.BOLD, true));
        Document document = document(paragraph(linked("Read ", "tide:now"), bold, new Inline.Text(" ", Look.PLAIN), linked("again", "tide:now")));
        assertThat(passed(document, "tide")).isSameAs(document);
        passed(document);
        assertThat(told()).hasSize(1);
        assertThat(told().get(0)).contains("2").contains("tide");
    }

    /** ISO/IEC 29500-1, 17.16.5: fields that fetch or start something become their words. */
    @ParameterizedTest @ValueSource(strings = {"DDEAUTO c:\\\\windows\\\\cmd.exe \"/k calc\"", "dde excel sheet", "INCLUDETEXT \"https://x.example/a.docx\"",
        "INCLUDEPICTURE \\d \"\\\\\\\\host\\\\a.png\"", " LINK Excel.Sheet.8 a.xls", "DATABASE \\d x", "MACROBUTTON Run press", "IMPORT a.tif", "RD a.docx"})
    void fieldsThatFetchBecomeWords(String instruction) {
        Document made = passed(document(paragraph(field(instruction, "12 crossings"))));
        assertThat(inlines(made)).containsExactly(new Inline.Text("12 crossings", Look.PLAIN));
        assertThat(told()).hasSize(1);
        byte[] saved = Formats.called("docx").write(made, Instant.EPOCH).bytes();
        assertThat(new String(Archive.parts(saved).get("word/document.xml"), StandardCharsets.UTF_8)).doesNotContain("instrText");
    }

    @ParameterizedTest @ValueSource(strings = {"XE \"Fares\"", "SEQ Figure \\* ARABIC", "CITATION Vold19", "LINKS a",
            "=1+2"}) void otherFieldsStay(String instruction) {
        Document document = document(paragraph(field(instruction, "1")));
        assertThat(passed(document)).isSameAs(document);
    }

    /** In notes, boxes, cells, heads and feet as in the body. */
    @Test void itIsLookedForEverywhere() {
        Paragraph bad = paragraph(linked("go", "javascript:x"), field("DDE a b", "result"));
        Inline note = new Inline.Note(Inline.Note.Kind.FOOTNOTE, List.of(bad), null, Look.PLAIN);
        Table table = new Table(Look.PLAIN, List.of(100.0), List.of(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(bad))))));
        Section section = Section.PLAIN.withBlocks(List.of(paragraph(note), table)).withFrames(Map.of(FramePlace.HEADER, List.of(bad), FramePlace.FIRST_FOOTER,
                List.of(bad)));
        Document made = passed(Document.empty().withSections(List.of(section)));
        assertThat(made.toString()).doesNotContain("javascript").doesNotContain("DDE").contains("result");
        assertThat(told()).hasSize(2).allMatch(what -> what.contains("4"));
    }

    private static Opaque.Part outside(String role, String target) { return new Opaque.Part(target, "", role, null); }

    /** What is kept in its own markup leads nowhere rather than out; pictures and links by usual schemes as they are. */
    @Test void whatIsKeptLeadsNowhere() {
        String role = "http://schemas.openxmlformats.org/officeDocument/2006/relationships/";
        Map<String, Opaque.Part> parts = Map.of("rId1", outside(role + "oleObject", "file:///c:/a.xls"), "rId2", outside(role + "hyperlink",
                "https://ferries.example/"),
                "rId3", outside(role + "image", "http://host.example/track.png"), "rId4", outside(role + "hyperlink", "javascript:x"));
        Opaque kept = new Opaque("ooxml", "a drawing", "<w:pict/>", parts, null);
        Document made = passed(document(new OpaqueBlock(kept), paragraph(new Inline.OpaqueInline(kept, Look.PLAIN))));
        Opaque block = ((OpaqueBlock) made.blocks().get(0)).opaque();
        assertThat(block.parts().get("rId1").name()).isEqualTo("about:blank");
        assertThat(block.parts().get("rId2").name()).isEqualTo("https://ferries.example/");
        assertThat(block.parts().get("rId3").name()).as("a picture fetched tells who opens the file").isEqualTo("about:blank");
        assertThat(block.parts().get("rId4").name()).isEqualTo("about:blank");
        assertThat(((Inline.OpaqueInline) ((Paragraph) made.blocks().get(1)).inlines().get(0)).opaque()).isEqualTo(block);
        assertThat(told()).isNotEmpty();
    }

    /** Templates that a document is attached to are fetched when it is opened (17.15.1.6): the relation leads nowhere. */
    @Test void partsThatFetchFromOutsideLeadNowhere() {
        String relations = "<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"r1\" "
                + "Type=\"http://schemas."
                + "openxmlformats.org/officeDocument/2006/relationships/attachedTemplate\" Target=\"https://host.example/evil.dotm\" TargetMode=\"External\"/>"
                + "<Relationship Id='r2' TargetMode = 'External' Type='http://x/hyperlink' Target='https://ferries.example/?a=1&amp;b=$2'/>"
                + "<Relationship Id=\"r3\" Type=\"http://x/image\" Target=\"media/a.png\"/></Relationships>";
        Opaque.Part part = new Opaque.Part("word/_rels/footnotes.xml.rels", null, null, relations.getBytes(StandardCharsets.UTF_8));
        Document made = passed(Document.empty().withKept(List.of(part)));
        String after = new String(made.kept().get(0).bytes(), StandardCharsets.UTF_8);
        assertThat(after).doesNotContain("evil").contains("about:blank").contains("https://ferries.example/?a=1&amp;b=$2").contains("media/a.png");
        assertThat(told()).hasSize(1);
    }

    /** A real job: a .docx with one of each comes out as .docx without any. */
    @Test void aFileWithOneOfEachComesOutWithoutAny() {
        String run = "<w:r><w:fldChar w:fldCharType=\"begin\"/></w:r><w:r><w:instrText>DDEAUTO c:\\\\cmd.exe</w:instrText></w:r><w:r><w:fldChar "
                + "w:fldCharType=\"separate\"/></w:r><w:r><w:t>result</w:t></w:r><w:r><w:fldChar w:fldCharType=\"end\"/></w:r>";
        byte[] file = new DocxParts().link("x1", "javascript:alert(1)").link("x2", "https://ferries.example/").bytes("<w:p>" + run
                + "<w:hyperlink r:id=\"x1\"><w:r><w:t>bad</w:t></w:r></w:hyperlink><w:hyperlink r:id=\"x2\"><w:r><w:t>good</w:t></w:r></w:hyperlink></w:p>");
        Document made = passed(Formats.read(file, "a.docx", null, Progress.SILENT).document());
        Map<String, byte[]> parts = Archive.parts(Formats.called("docx").write(made, Instant.EPOCH).bytes());
        String all = new String(parts.get("word/document.xml"), StandardCharsets.UTF_8) + new String(parts.get("word/_rels/document.xml.rels"),
                StandardCharsets.UTF_8);
        assertThat(all).doesNotContain("DDEAUTO").doesNotContain("javascript").contains("https://ferries.example/").contains("result").contains("bad");
    }
}
