package app.decant.format.odf;

import app.decant.document.TrackedChange;
import app.decant.document.TrackedChanges;
import static app.decant.format.Reading.paragraph;
import static app.decant.format.Reading.paragraphs;
import static app.decant.format.Reading.run;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.Formats;
import app.decant.format.Taken;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.Test;

/** OpenDocument text as the standard describes it (ISO/IEC 26300-1:2015), clause by clause; other programs write much that this one does not. */
class OdtReadingTest {
    private static final String SPACES = "xmlns:office='urn:oasis:names:tc:opendocument:xmlns:office:1.0' "
            + "xmlns:text='urn:oasis:names:tc:opendocument:xmlns:text:1.0' xmlns:table='urn:oasis:names:tc:opendocument:xmlns:table:1.0' "
            + "xmlns:style='urn:oasis:names:tc:opendocument:xmlns:style:1.0' xmlns:fo='urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0' "
                    + "xmlns:draw='urn:oasis:names:tc:opendocument:xmlns:drawing:1.0' "
            + "xmlns:svg='urn:oasis:names:tc:opendocument:xmlns:svg-compatible:1.0' xmlns:xlink='http://www.w3.org/1999/xlink' "
                    + "xmlns:dc='http://purl.org/dc/elements/1.1/' xmlns:meta='urn:oasis:names:tc:opendocument:xmlns:meta:1.0' office:version='1.2'";
    private static final byte[] PNG = HexFormat.of()
            .parseHex("89504e470d0a1a0a0000000d4948445200000001000000010802000000907753de"
                    + "0000000c4944415408d763f8ffff3f0005fe02fedccc59e70000000049454e44ae426082");

    private String styles = "";
    private String meta = "";

    private Taken read(String automatic, String body) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        parts.put("mimetype", "application/vnd.oasis.opendocument.text".getBytes(StandardCharsets.US_ASCII));
        parts.put("content.xml", ("<office:document-content " + SPACES
                + "><office:font-face-decls><style:font-face style:name='C1' "
                + "svg:font-family=\"'Carlito'\"/></office:font-face-decls><office:automatic-styles>" + automatic
                + "</office:automatic-styles><office:body><office:text>" + body + "</office:text></office:body></office:document-content>")
                        .getBytes(StandardCharsets.UTF_8));
        parts.put("styles.xml", ("<office:document-styles " + SPACES + ">" + styles + "</office:document-styles>").getBytes(StandardCharsets.UTF_8));
        parts.put("meta.xml", ("<office:document-meta " + SPACES + "><office:meta>" + meta + "</office:meta></office:document-meta>")
                .getBytes(StandardCharsets.UTF_8));
        parts.put("Pictures/one.png", PNG);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return Formats.read(bytes.toByteArray(), "test.odt", null, Progress.SILENT);
    }

    /** Common practice: a list of contents names headings by number and words where no bookmark stands at them; two may have the same words. */
    @Test void linksToHeadingsByTheirWordsLand() {
        Document document = read("", "<text:p><text:a xlink:href='#1.Fares|outline'>to fares</text:a> "
                + "<text:a xlink:href='#2.1.Fares|outline'>to others</text:a> <text:a xlink:href='#3.Berths|outline'>nowhere</text:a></text:p>"
                + "<text:h text:outline-level='1'>Fares</text:h>"
                + "<text:h text:outline-level='1'>Lines</text:h><text:h text:outline-level='2'>2.1. Fares</text:h>").document();
        List<Paragraph> all = paragraphs(document);
        assertThat(run(document, "to fares").get(TextProperty.LINK)).isEqualTo(new Link.Inside("outline1"));
        assertThat(all.get(1).inlines()).contains(new Inline.BookmarkPoint("outline1", true));
        assertThat(run(document, "to others").get(TextProperty.LINK)).isEqualTo(new Link.Inside("outline2"));
        assertThat(all.get(3).inlines()).contains(new Inline.BookmarkPoint("outline2", true));
        assertThat(run(document, "nowhere").get(TextProperty.LINK)).isEqualTo(new Link.Inside("3.Berths"));
    }

    /** 17.6 and 20.x of part 1: lengths have units, margins may be told at once, line heights are shares, lengths or at least. */
    @Test void paragraphsStandWhereTheySay() {
        Document document = read("<style:style style:name='P1' style:family='paragraph'><style:paragraph-properties fo:margin-left='1in' "
                + "fo:margin-right='12pt' fo:text-indent='-0.5in' fo:margin-top='4mm' fo:margin-bottom='1cm' fo:text-align='end' fo:line-height='150%' "
                + "fo:keep-with-next='always' fo:keep-together='always' fo:break-before='page' fo:background-color='#ffff00'>"
                + "<style:tab-stops><style:tab-stop style:position='2in' style:type='right' style:leader-style='dotted' "
                        + "style:leader-text='.'/><style:tab-stop style:position='36pt' style:type='char' "
                        + "style:char=','/></style:tab-stops></style:paragraph-properties></style:style>"
                + "<style:style style:name='P2' style:family='paragraph'><style:paragraph-properties fo:margin='10pt' fo:text-align='justify' "
                        + "fo:line-height='14pt'/></style:style>"
                + "<style:style style:name='P3' style:family='paragraph'><style:paragraph-properties style:line-height-at-least='15pt' "
                        + "fo:text-align='center'/></style:style>",
                "<text:p text:style-name='P1'>a</text:p><text:p text:style-name='P2'>b</text:p><text:p text:style-name='P3'>c</text:p>").document();
        Look a = paragraph(document, 0);
        assertThat(List.of(a.get(ParagraphProperty.INDENT_START), a.get(ParagraphProperty.INDENT_END), a.get(ParagraphProperty.FIRST_LINE)))
                .containsExactly(72.0, 12.0, -36.0);
        assertThat(a.get(ParagraphProperty.SPACE_BEFORE)).isCloseTo(11.34, within(0.01));
        assertThat(a.get(ParagraphProperty.SPACE_AFTER)).isCloseTo(28.35, within(0.01));
        assertThat(a.get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.END);
        assertThat(a.get(ParagraphProperty.LINE_SPACING)).isEqualTo(new LineSpacing(LineSpacing.Rule.MULTIPLE, 1.5));
        assertThat(a.is(ParagraphProperty.KEEP_WITH_NEXT) && a.is(ParagraphProperty.KEEP_TOGETHER) && a.is(ParagraphProperty.PAGE_BREAK_BEFORE)).isTrue();
        assertThat(a.get(ParagraphProperty.SHADING).hex()).isEqualTo("FFFF00");
        assertThat(a.get(ParagraphProperty.TABS).stops()).extracting(TabStop::kind, TabStop::leader)
                .containsExactlyInAnyOrder(Tuple.tuple(TabStop.Kind.END, TabStop.Leader.DOTS),
                Tuple.tuple(TabStop.Kind.DECIMAL, TabStop.Leader.NONE));
        Look b = paragraph(document, 1);
        assertThat(List.of(b.get(ParagraphProperty.INDENT_START), b.get(ParagraphProperty.INDENT_END), b.get(ParagraphProperty.SPACE_BEFORE),
                b.get(ParagraphProperty.SPACE_AFTER))).containsOnly(10.0);
        assertThat(b.get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.JUSTIFY);
        assertThat(b.get(ParagraphProperty.LINE_SPACING)).isEqualTo(new LineSpacing(LineSpacing.Rule.EXACTLY, 14));
        assertThat(paragraph(document, 2).get(ParagraphProperty.LINE_SPACING)).isEqualTo(new LineSpacing(LineSpacing.Rule.AT_LEAST, 15));
    }

    /** 16.27.28 and 20.x: text properties, inherited and by default style. */
    @Test void charactersLookAsTheySay() {
        styles = "<office:styles><style:default-style style:family='paragraph'><style:text-properties fo:font-size='11pt' fo:language='de' "
                + "fo:country='AT'/></style:default-style>"
                + "<style:style style:name='Standard' style:family='paragraph'/><style:style style:name='Big' style:family='paragraph' "
                        + "style:parent-style-name='Standard'><style:text-properties fo:font-size='200%' fo:font-weight='bold'/></style:style></office:styles>";
        String of = "<style:style style:name='%s' style:family='text'><style:text-properties %s/></style:style>";
        Document document = read(of.formatted("T1", "style:font-name='C1' fo:font-style='italic' fo:color='#c80000' fo:background-color='#00ff00'")
                + of.formatted("T2", "style:text-underline-style='dotted' style:text-line-through-style='solid' style:text-line-through-type='double'")
                + of.formatted("T3", "style:text-position='super 58%' fo:letter-spacing='1pt'")
                        + of.formatted("T4", "fo:font-variant='small-caps' style:text-scale='80%'")
                        + of.formatted("T5", "fo:text-transform='uppercase' text:display='none'")
                        + of.formatted("T6", "fo:font-weight='normal' fo:language='fr' fo:country='FR'")
                + of.formatted("T7", "style:text-position='-33% 58%'"),
                "<text:p text:style-name='Standard'><text:span text:style-name='T1'>one</text:span><text:span "
                        + "text:style-name='T2'>two</text:span><text:span text:style-name='T3'>three</text:span><text:span "
                        + "text:style-name='T4'>four</text:span><text:span text:style-name='T5'>five</text:span><text:span "
                        + "text:style-name='T7'>seven</text:span></text:p><text:p text:style-name='Big'>big<text:span "
                        + "text:style-name='T6'>light</text:span></text:p>").document();
        assertThat(run(document, "one").get(TextProperty.FAMILY)).isEqualTo("Carlito");
        assertThat(run(document, "one").get(TextProperty.SIZE)).isEqualTo(11);
        assertThat(run(document, "one").get(TextProperty.LANGUAGE)).isEqualTo("de-AT");
        assertThat(run(document, "one").is(TextProperty.ITALIC)).isTrue();
        assertThat(run(document, "one").get(TextProperty.COLOUR).hex()).isEqualTo("C80000");
        assertThat(run(document, "one").get(TextProperty.HIGHLIGHT).hex()).isEqualTo("00FF00");
        assertThat(run(document, "two").get(TextProperty.UNDERLINE)).isEqualTo(TextProperty.Underline.DOTTED);
        assertThat(run(document, "two").is(TextProperty.DOUBLE_STRIKE)).isTrue();
        assertThat(run(document, "three").get(TextProperty.SCRIPT)).isEqualTo(TextProperty.Script.SUPER);
        assertThat(run(document, "three").get(TextProperty.LETTER_SPACING)).isEqualTo(1);
        assertThat(run(document, "four").is(TextProperty.SMALL_CAPITALS)).isTrue();
        assertThat(run(document, "four").get(TextProperty.WIDTH_SCALE)).isCloseTo(0.8, within(1e-9));
        assertThat(run(document, "five").is(TextProperty.CAPITALS) && run(document, "five").is(TextProperty.HIDDEN)).isTrue();
        assertThat(run(document, "seven").get(TextProperty.SCRIPT)).isEqualTo(TextProperty.Script.SUB);
        assertThat(run(document, "big").get(TextProperty.SIZE)).isEqualTo(22);
        assertThat(run(document, "light").is(TextProperty.BOLD)).isFalse();
        assertThat(run(document, "light").get(TextProperty.LANGUAGE)).isEqualTo("fr-FR");
    }

    /** 5.1.2, 5.3 and 19.x: headings by their level, lists that go on, begin anew, stand in a style, numbers with those of the levels above. */
    @Test void listsCountAsTheStandardSays() {
        Document document = read("<text:list-style style:name='L1'><text:list-level-style-number text:level='1' style:num-format='1' "
                + "style:num-suffix='.'/><text:list-level-style-number text:level='2' style:num-format='a' style:num-suffix=')' "
                + "text:display-levels='2'/></text:list-style>"
                + "<text:list-style style:name='L2'><text:list-level-style-number text:level='1' style:num-format='I' style:num-prefix='(' "
                        + "style:num-suffix=')' text:start-value='2'/></text:list-style>",
                "<text:h text:outline-level='2'>Head</text:h>"
                + "<text:list xml:id='one' "
                        + "text:style-name='L1'><text:list-item><text:p>a</text:p><text:list><text:list-item><text:p>b</text:p></text:list-item></text:list>"
                                + "</text:list-item></text:list><text:p>between</text:p>"
                + "<text:list text:continue-numbering='true' "
                        + "text:style-name='L1'><text:list-item><text:p>c</text:p></text:list-item></text:list><text:list "
                        + "text:style-name='L1'><text:list-item><text:p>d</text:p></text:list-item><text:list-item "
                        + "text:start-value='7'><text:p>e</text:p></text:list-item></text:list>"
                + "<text:list text:style-name='L2'><text:list-header><text:p>no "
                        + "number</text:p></text:list-header><text:list-item><text:p>f</text:p></text:list-item></text:list>").document();
        Cascade cascade = Cascade.of(document);
        ListLabels labels = ListLabels.of(document, cascade);
        assertThat(cascade.outlineLevel(paragraphs(document).get(0))).isEqualTo(2);
        assertThat(paragraphs(document)).extracting(labels::label).containsExactly(null, "1.", "1.a)", null, "2.", "1.", "7.", null, "(II)");
    }

    /** 16.5 and 16.9: master pages with their layouts, one after the other, headers that differ on left and first pages. */
    @Test void pagesComeFromMasterPages() {
        styles = "<office:automatic-styles><style:page-layout style:name='M1'><style:page-layout-properties fo:page-width='210mm' fo:page-height='297mm' "
                + "fo:margin='20mm' style:num-format='i'/><style:header-style><style:header-footer-properties "
                + "fo:min-height='5mm'/></style:header-style></style:page-layout>"
                + "<style:page-layout style:name='M2'><style:page-layout-properties fo:page-width='297mm' fo:page-height='210mm' "
                        + "style:print-orientation='landscape' fo:margin-left='1in' fo:margin-right='1in' fo:margin-top='1in' "
                        + "fo:margin-bottom='1in'><style:columns fo:column-count='2' "
                        + "fo:column-gap='12pt'/></style:page-layout-properties></style:page-layout></office:automatic-styles>"
                + "<office:master-styles><style:master-page style:name='Standard' style:page-layout-name='M1'><style:header><text:p>head "
                        + "<text:page-number/></text:p></style:header><style:header-left><text:p>left</text:p></style:header-left></style:master-page>"
                + "<style:master-page style:name='Wide' style:page-layout-name='M2'/></office:master-styles>";
        Document document = read("<style:style style:name='P1' style:family='paragraph' style:master-page-name='Wide'><style:paragraph-properties "
                + "style:page-number='5'/></style:style>", "<text:p>one</text:p><text:p text:style-name='P1'>two</text:p>").document();
        assertThat(document.sections()).hasSize(2);
        Section first = document.sections().get(0);
        assertThat(first.page().width()).isCloseTo(595.28, within(0.01));
        assertThat(first.page().left()).isCloseTo(56.69, within(0.01));
        assertThat(first.numbering().format()).isEqualTo(NumberFormat.LOWER_ROMAN);
        assertThat(((Paragraph) first.frames().get(Section.FramePlace.HEADER).get(0)).inlines()).anyMatch(inline -> inline instanceof Inline.Field field
                && field.kind() == Inline.Field.Kind.PAGE);
        assertThat(((Paragraph) first.frames().get(Section.FramePlace.EVEN_HEADER).get(0)).plainText()).isEqualTo("left");
        assertThat(document.evenAndOddFrames()).isTrue();
        Section second = document.sections().get(1);
        assertThat(second.page().isLandscape()).isTrue();
        assertThat(second.columns().count()).isEqualTo(2);
        assertThat(second.numbering().start()).isEqualTo(5);
        assertThat(second.frames()).doesNotContainKey(Section.FramePlace.HEADER);
    }

    /** 6.1.8, 6.2.1, 7.x: links, places, references, notes. */
    @Test void linksPlacesAndNotesAreLive() {
        Document document = read("", "<text:p><text:bookmark-start text:name='berth'/>Berth<text:bookmark-end text:name='berth'/> <text:a "
                + "xlink:href='https://ferries.example/'>out</text:a> <text:a xlink:href='#berth'>in</text:a> <text:bookmark-ref text:ref-name='berth' "
                + "text:reference-format='page'>1</text:bookmark-ref>"
                + "<text:note "
                        + "text:note-class='footnote'><text:note-citation>1</text:note-citation><text:note-body><text:p>Below.</text:p></text:note-body>"
                                + "</text:note><text:note text:note-class='endnote'><text:note-citation text:label='*'>*</text:note-citation>"
                                        + "<text:note-body><text:p>At the end.</text:p></text:note-body></text:note> <text:page-count>9</text:page-count> "
                                                + "<text:title>T</text:title></text:p>").document();
        assertThat(run(document, "out").get(TextProperty.LINK)).isEqualTo(new Link.Address("https://ferries.example/"));
        assertThat(run(document, "in").get(TextProperty.LINK)).isEqualTo(new Link.Inside("berth"));
        List<Inline> inlines = paragraphs(document).get(0).inlines();
        assertThat(inlines).contains(new Inline.BookmarkPoint("berth", true));
        assertThat(inlines.stream().filter(inline -> inline instanceof Inline.Field).map(inline -> ((Inline.Field) inline).kind()))
                .containsExactly(Inline.Field.Kind.PAGE_REFERENCE, Inline.Field.Kind.PAGES, Inline.Field.Kind.TITLE);
        assertThat(inlines.stream().filter(inline -> inline instanceof Inline.Note).map(inline -> ((Inline.Note) inline).kind()))
                .containsExactly(Inline.Note.Kind.FOOTNOTE, Inline.Note.Kind.ENDNOTE);
        assertThat(inlines.stream().filter(inline -> inline instanceof Inline.Note).map(inline -> ((Inline.Note) inline).mark()).toList())
                .containsExactly(null, "*");
    }

    /** 10.4: pictures in the line and beside it, boxes with text. */
    @Test void framesStandInTheLineOrBesideIt() {
        String image = "<draw:image xlink:href='Pictures/one.png'/>";
        Document document = read("<style:style style:name='F1' style:family='graphic'><style:graphic-properties style:wrap='parallel' "
                + "style:horizontal-pos='right' style:horizontal-rel='paragraph' style:vertical-pos='from-top' style:vertical-rel='paragraph'/></style:style>",
                "<text:p>a<draw:frame text:anchor-type='as-char' svg:width='1in' svg:height='36pt'>" + image
                        + "<svg:title>A ship</svg:title></draw:frame>b<draw:frame draw:style-name='F1' text:anchor-type='paragraph' svg:width='2in' "
                        + "svg:height='1in' svg:y='10pt'>" + image + "</draw:frame></text:p>"
                + "<text:p><draw:frame draw:style-name='F1' text:anchor-type='char' svg:width='2in'><draw:text-box "
                        + "fo:min-height='1in'><text:p>boxed</text:p></draw:text-box></draw:frame>c</text:p>").document();
        List<Inline> first = paragraphs(document).get(0).inlines();
        Inline.InlinePicture picture = first.stream().filter(inline -> inline instanceof Inline.InlinePicture).map(inline -> (Inline.InlinePicture) inline)
                .findFirst().orElseThrow();
        assertThat(List.of(picture.picture().width(), picture.picture().height())).containsExactly(72.0, 36.0);
        assertThat(picture.picture().description()).isEqualTo("A ship");
        assertThat(picture.picture().image().bytes()).isEqualTo(PNG);
        assertThat(first).filteredOn(inline -> inline instanceof Inline.Floating).hasSize(1);
        Inline.Floating box = paragraphs(document).get(1).inlines().stream().filter(inline -> inline instanceof Inline.Floating)
                .map(inline -> (Inline.Floating) inline).findFirst().orElseThrow();
        assertThat(((Paragraph) ((TextBox) box.content()).blocks().get(0)).plainText()).isEqualTo("boxed");
    }

    /** 9.1: heads that repeat, groups of columns and rows, tables within cells, borders of single sides. */
    @Test void tablesKeepHeadsGroupsAndTablesWithin() {
        Document document = read("<style:style style:name='T' style:family='table'><style:table-properties style:width='4in' "
                + "table:align='center'/></style:style><style:style style:name='A' style:family='table-column'><style:table-column-properties "
                + "style:column-width='1in'/></style:style><style:style style:name='B' style:family='table-column'><style:table-column-properties "
                + "style:column-width='3in'/></style:style>"
                + "<style:style style:name='R' style:family='table-row'><style:table-row-properties style:row-height='20pt' "
                        + "fo:keep-together='always'/></style:style><style:style style:name='C' style:family='table-cell'><style:table-cell-properties "
                        + "fo:border-top='1pt solid #c80000' fo:border-bottom='none' fo:background-color='#ffff00' fo:padding='3pt' "
                        + "style:vertical-align='middle'/></style:style>",
                "<table:table table:style-name='T'><table:table-columns><table:table-column table:style-name='A'/><table:table-column "
                        + "table:style-name='B'/></table:table-columns><table:table-header-rows><table:table-row table:style-name='R'><table:table-cell "
                        + "table:style-name='C'><text:p>h1</text:p></table:table-cell><table:table-cell><text:p>h2</text:p></table:table-cell>"
                                + "</table:table-row></table:table-header-rows>"
                + "<table:table-rows><table:table-row><table:table-cell "
                        + "table:number-rows-spanned='2'><text:p>tall</text:p></table:table-cell><table:table-cell><table:table><table:table-column/>"
                                + "<table:table-row><table:table-cell><text:p>within</text:p></table:table-cell></table:table-row></table:table>"
                                        + "</table:table-cell></table:table-row>"
                + "<table:table-row><table:covered-table-cell/><table:table-cell><text:p>last</text:p></table:table-cell></table:table-row>"
                        + "</table:table-rows></table:table><text:p/>").document();
        Table table = (Table) document.blocks().get(0);
        assertThat(table.columns()).containsExactly(72.0, 216.0);
        assertThat(table.rows()).hasSize(3);
        assertThat(table.rows().get(0).look().is(TableProperty.HEADER_ROW)).isTrue();
        assertThat(table.rows().get(0).look().is(TableProperty.KEEP_ROW)).isTrue();
        assertThat(table.rows().get(0).look().get(TableProperty.ROW_HEIGHT)).isEqualTo(20);
        Look cell = table.rows().get(0).cells().get(0).look();
        assertThat(cell.get(TableProperty.BORDERS).top().colour().hex()).isEqualTo("C80000");
        assertThat(cell.get(TableProperty.SHADING).hex()).isEqualTo("FFFF00");
        assertThat(cell.get(TableProperty.PADDING).left()).isEqualTo(3);
        assertThat(table.rows().get(1).cells().get(0).rowSpan()).isEqualTo(2);
        List<Block> inside = table.rows().get(1).cells().get(1).blocks();
        assertThat(inside).anyMatch(block -> block instanceof Table);
        assertThat(table.rows().get(2).cells()).singleElement().satisfies(one -> assertThat(one.column()).isEqualTo(1));
    }

    /** 5.5: what was taken out over the ends of paragraphs stands where it stood; between paragraphs it is paragraphs; a region within itself is nothing. */
    @Test void whatWasTakenOutOverParagraphsStandsWhereItStood() {
        Taken taken = read("", "<text:tracked-changes><text:changed-region xml:id='a'><text:deletion><office:change-info><dc:creator>Ina</dc:creator>"
                + "<dc:date>2026-03-02T09:30:00</dc:date></office:change-info><text:p>one end</text:p><text:p>middle</text:p><text:p>other "
                + "</text:p></text:deletion>"
                + "</text:changed-region><text:changed-region xml:id='b'><text:deletion><office:change-info/><text:p>alone<text:change "
                + "text:change-id='b'/></text:p>"
                + "</text:deletion></text:changed-region></text:tracked-changes><text:p>This <text:change text:change-id='a'/>way</text:p>"
                + "<text:change text:change-id='b'/><text:p>last</text:p>");
        assertThat(paragraphs(TrackedChanges.settled(taken.document(), true))).extracting(Paragraph::plainText).containsExactly("This way", "last");
        assertThat(paragraphs(TrackedChanges.settled(taken.document(), false))).extracting(Paragraph::plainText).containsExactly("This one end", "middle",
                "other way", "alone", "last");
        TrackedChange change = paragraphs(taken.document()).get(1).inlines().get(0).look().get(TextProperty.TRACKED);
        assertThat(change).isEqualTo(TrackedChange.deleted("Ina", Instant.parse("2026-03-02T09:30:00Z")));
    }

    /** 4.3 of part 1: facts; 8.x: contents lists come in as such; 5.5: tracked changes with their marks. */
    @Test void factsContentsAndChanges() {
        meta = "<dc:title>Harbour notice</dc:title><dc:subject>Works</dc:subject><meta:initial-creator>Ina "
                + "Tollmark</meta:initial-creator><meta:keyword>pier</meta:keyword><meta:keyword>works</meta:keyword>"
                        + "<meta:creation-date>2005-03-04T10:30:00</meta:creation-date><dc:language>en-GB</dc:language>";
        Taken taken = read("", "<text:tracked-changes><text:changed-region "
                + "text:id='c1'><text:deletion><office:change-info/><text:p>old</text:p></text:deletion></text:changed-region></text:tracked-changes>"
                        + "<text:table-of-content><text:table-of-content-source text:outline-level='2'/><text:index-body><text:p>Head<text:tab/>1</text:p>"
                                + "</text:index-body></text:table-of-content><text:h text:outline-level='1'>Head</text:h><text:p>new<text:change "
                                        + "text:change-id='c1'/></text:p>");
        Document document = taken.document();
        assertThat(document.facts().title()).isEqualTo("Harbour notice");
        assertThat(document.facts().author()).isEqualTo("Ina Tollmark");
        assertThat(document.facts().keywords()).contains("pier").contains("works");
        assertThat(document.facts().created()).isNotNull();
        assertThat(document.blocks()).anyMatch(block -> block instanceof Contents);
        assertThat(paragraphs(TrackedChanges.settled(document, true))).extracting(Paragraph::plainText).containsExactly("Head", "new");
        assertThat(paragraphs(TrackedChanges.settled(document, false))).extracting(Paragraph::plainText).containsExactly("Head", "newold");
        assertThat(taken.findings()).isEmpty();
    }
}
