package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.sheet.Cell;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellNote;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetObject;
import app.decant.sheet.Workbook;
import app.decant.xml.XmlNames;
import java.awt.Color;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Spreadsheets of OpenDocument in markup written by hand, clause by clause of ISO/IEC 26300-1, 9 and 19. */
class OdsSheetReadingTest {
    private static final String KIND = "application/vnd.oasis.opendocument.spreadsheet";
    private static final String SPACES = XmlNames.OPEN_DOCUMENT.entrySet().stream().map(one -> "xmlns:" + one.getKey() + "='" + one.getValue() + "'")
            .collect(Collectors.joining(" ")) + " xmlns:dc='http://purl.org/dc/elements/1.1/' "
            + "xmlns:calcext='urn:org:documentfoundation:names:experimental:calc:xmlns:calcext:1.0'";

    private static ReadWorkbook read(String styles, String body, Map<String, byte[]> others) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        parts.put("content.xml", ("<office:document-content " + SPACES + "><office:automatic-styles>" + styles + "</office:automatic-styles><office:body>"
                + "<office:spreadsheet>" + body + "</office:spreadsheet></office:body></office:document-content>").getBytes(StandardCharsets.UTF_8));
        parts.putAll(others);
        return SheetFormat.ODS.workbook(new Content(Archive.packed(KIND, parts), "fares.ods"), null, Progress.SILENT);
    }

    private static Sheet sheet(String styles, String rows) {
        return read(styles, "<table:table table:name='Fares'>" + rows + "</table:table>", Map.of()).workbook().sheets().get(0);
    }

    private static Sheet sheet(String rows) { return sheet("", rows); }

    private static String row(String cells) { return "<table:table-row>" + cells + "</table:table-row>"; }

    private static String text(String words) { return "<table:table-cell office:value-type='string'><text:p>" + words + "</text:p></table:table-cell>"; }

    /** 19.385: values by their type; what the attribute does not tell is what the paragraphs say. */
    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', value = {"office:value-type='float' office:value='1.5' | 1.5",
        "office:value-type='percentage' office:value='0.25' | 0.25", "office:value-type='currency' office:currency='GBP' office:value='-7' | -7.0",
        "office:value-type='date' office:date-value='2026-11-28' | 46354.0", "office:value-type='date' office:date-value='2026-11-28T12:00:00' | 46354.5",
        "office:value-type='time' office:time-value='PT06H00M00S' | 0.25", "office:value-type='time' office:time-value='PT36H30M00S' | 1.5208333333333333",
        "office:value-type='time' office:time-value='-PT12H00M00S' | -0.5",
                "office:value-type='time' office:time-value='PT00H00M00.5S' | 5.787037037037037E-6"})
    void valuesAreNumbers(String attributes, double value) {
        CellValue read = sheet(row("<table:table-cell " + attributes + "><text:p>shown</text:p></table:table-cell>")).cell(0, 0).value();
        assertThat(((CellValue.Number) read).value()).isCloseTo(value, within(1e-12));
    }

    @Test void otherValuesAreTruthsWordsAndFailures() {
        Sheet sheet = sheet(row("<table:table-cell office:value-type='boolean' office:boolean-value='true'/>"
                + "<table:table-cell office:value-type='string'><text:p>two</text:p><text:p>lines</text:p></table:table-cell>"
                + "<table:table-cell table:formula='of:=1/0' office:value-type='string'><text:p>#DIV/0!</text:p></table:table-cell>"
                + "<table:table-cell office:value-type='float' office:value='many'><text:p>many</text:p></table:table-cell>"
                + "<table:table-cell office:value-type='date' office:date-value='soon'><text:p>soon</text:p></table:table-cell>"
                + text("a<text:s text:c='3'/>b<text:tab/>c<text:line-break/>d")));
        assertThat(sheet.row(0).cells()).extracting(Cell::value).containsExactly(new CellValue.Truth(true), new CellValue.Text("two\nlines"),
                new CellValue.Failure("#DIV/0!"), new CellValue.Text("many"), new CellValue.Text("soon"), new CellValue.Text("a   b\tc\nd"));
        assertThat(sheet.cell(0, 2).formula()).isEqualTo("1/0");
    }

    /** 19.675 and 19.679: what is repeated stands as often; what is repeated to the end of the sheet is nothing. */
    @Test void rowsAndCellsAreRepeated() {
        Sheet sheet = sheet("<table:table-column table:number-columns-repeated='16384'/>"
                + "<table:table-row table:number-rows-repeated='2'><table:table-cell/><table:table-cell table:number-columns-repeated='3' "
                + "office:value-type='float' office:value='7'/></table:table-row><table:table-row table:number-rows-repeated='1048574'><table:table-cell "
                + "table:number-columns-repeated='16384'/></table:table-row>");
        assertThat(sheet.rows()).hasSize(2);
        for (Row row : sheet.rows()) assertThat(row.cells()).extracting(Cell::column).containsExactly(1, 2, 3);
        assertThat(sheet(row("<table:table-cell table:number-columns-repeated='99999999' office:value-type='float' office:value='1'/>")).row(0).cells())
                .as("no more than a sheet has").hasSize(Range.MOST_COLUMNS);
        assertThat(sheet(row("<table:table-cell table:number-columns-repeated='-5' office:value-type='float' office:value='1'/>")).row(0).cells()).hasSize(1);
    }

    /** 10.3.1, 10.3.3, 10.4.3 and 10.6.1: shapes in cells and groups, with the looks that their styles tell; what has an outline nobody knows is told. */
    @Test void shapesAreReadWithTheirWords() {
        String style = "<style:style style:name='gr1' style:family='graphic'><style:graphic-properties draw:fill='solid' draw:fill-color='#14783c' "
                + "draw:stroke='solid' svg:stroke-color='#b00020' svg:stroke-width='2pt' draw:textarea-vertical-align='middle' fo:padding='3pt'/>"
                + "<style:paragraph-properties fo:text-align='center'/><style:text-properties fo:font-size='14pt' fo:color='#ffffff'/></style:style>"
                + "<style:style style:name='T1' style:family='text'><style:text-properties fo:font-weight='bold'/></style:style>";
        String place = "draw:style-name='gr1' svg:x='10pt' svg:y='5pt' svg:width='80pt' svg:height='40pt'";
        String shapes = "<draw:custom-shape " + place + "><text:p>Mind <text:span text:style-name='T1'>the step</text:span></text:p><draw:enhanced-geometry "
                + "draw:type='ellipse'/></draw:custom-shape><draw:g><draw:rect " + place + "/><draw:line draw:style-name='gr1' svg:x1='10pt' svg:y1='60pt' "
                + "svg:x2='90pt' svg:y2='60pt'/></draw:g><draw:frame " + place + "><draw:text-box><text:p>Box</text:p></draw:text-box></draw:frame>"
                + "<draw:custom-shape " + place + "><draw:enhanced-geometry draw:type='non-primitive'/></draw:custom-shape>";
        ReadWorkbook read = read(style, "<table:table table:name='Fares'>" + row("<table:table-cell/><table:table-cell>" + shapes + "</table:table-cell>")
                + "</table:table>", Map.of());
        List<SheetObject> objects = read.workbook().sheets().get(0).objects();
        assertThat(objects).hasSize(4).allMatch(one -> one.kind() == SheetObject.Kind.SHAPE && one.cells().left() == 1 && one.left() == 10);
        SheetObject round = objects.get(0);
        assertThat(round.picture().width()).isBetween(80.0, 84.0);
        assertThat(round.shape().words().fill()).as("painted by the outline").isNull();
        assertThat(round.shape().words().standing()).isEqualTo(VerticalAlignment.CENTRE);
        Paragraph words = (Paragraph) round.shape().words().blocks().get(0);
        assertThat(words.text()).isEqualTo("Mind the step");
        assertThat(words.look().get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
        assertThat(words.inlines().get(1).look()).isEqualTo(words.inlines().get(0).look().with(TextProperty.BOLD, true));
        assertThat(words.inlines().get(0).look().get(TextProperty.SIZE)).isEqualTo(14);
        assertThat(objects.get(1).picture()).isNull();
        assertThat(objects.get(1).shape().words().fill()).isEqualTo(new Colour(0x14783C));
        assertThat(objects.get(1).shape().words().border().width()).isEqualTo(2);
        assertThat(objects.get(2).shape().words()).isNull();
        assertThat(((Paragraph) objects.get(3).shape().words().blocks().get(0)).text()).isEqualTo("Box");
        assertThat(read.findings()).extracting(Finding::what).containsExactly("1 drawn shape is left out.");
    }

    /** 9.1.4 and 19.676: a cell over others; those beneath it keep what they hold. */
    @Test void cellsAreJoined() {
        Sheet sheet = sheet(row("<table:table-cell table:number-columns-spanned='2' table:number-rows-spanned='2' "
                + "office:value-type='string'><text:p>over</text:p>"
                + "</table:table-cell><table:covered-table-cell office:value-type='float' office:value='3'/>" + text("beside"))
                        + row("<table:covered-table-cell/>"
                + "<table:covered-table-cell/>" + text("below")));
        assertThat(sheet.merged()).containsExactly(new Range(0, 0, 1, 1));
        assertThat(sheet.cell(0, 1).value()).isEqualTo(new CellValue.Number(3));
        assertThat(sheet.cell(1, 2).value()).isEqualTo(new CellValue.Text("below"));
    }

    /** 9.2: heads that repeat, groups within groups, what is hidden; 20.247: pages that begin. */
    @Test void rowsAndColumnsSayWhatTheyAre() {
        String styles = "<style:style style:name='co' style:family='table-column'><style:table-column-properties style:column-width='2cm' "
                + "fo:break-before='page'/></style:style><style:style style:name='ro' style:family='table-row'><style:table-row-properties "
                + "style:row-height='0.5in' style:use-optimal-row-height='false' fo:break-before='page'/></style:style>";
        Sheet sheet = sheet(styles, "<table:table-header-columns><table:table-column/></table:table-header-columns>"
                + "<table:table-column-group><table:table-column "
                + "table:style-name='co'/><table:table-column-group><table:table-column table:visibility='collapse'/></table:table-column-group>"
                + "</table:table-column-group><table:table-header-rows>" + row(text("head")) + "</table:table-header-rows><table:table-row-group>"
                + "<table:table-row table:style-name='ro'>" + text("one") + "</table:table-row><table:table-row-group><table:table-row "
                + "table:visibility='filter'>" + text("two") + "</table:table-row></table:table-row-group></table:table-row-group>");
        assertThat(sheet.setup().titleColumns().right()).isZero();
        assertThat(sheet.setup().titleRows().bottom()).isZero();
        assertThat(sheet.columns()).extracting(Column::depth).containsExactly(0, 1, 2);
        assertThat(sheet.columns()).extracting(Column::hidden).containsExactly(false, false, true);
        assertThat(sheet.columns().get(1).width()).isCloseTo(56.69, within(0.01));
        assertThat(sheet.rows()).extracting(Row::depth).containsExactly(0, 1, 2);
        assertThat(sheet.row(1).height()).isEqualTo(36);
        assertThat(sheet.row(2).hidden()).isTrue();
        assertThat(sheet.setup().rowBreaks()).containsExactly(1);
        assertThat(sheet.setup().columnBreaks()).containsExactly(1);
    }

    /** 16.2: styles from their parents; 20.324 and 20.390; the default style of a column for cells that say none (19.615). */
    @Test void looksComeFromStylesTheirParentsAndColumns() {
        String styles = "<style:style style:name='Base' style:family='table-cell'><style:table-cell-properties fo:background-color='#ffcc00' "
                + "fo:wrap-option='wrap' "
                + "style:cell-protect='none'/><style:text-properties fo:font-weight='bold' fo:font-size='14pt' fo:color='#c00000'/></style:style>"
                + "<style:style style:name='ce' style:family='table-cell' style:parent-style-name='Base'><style:table-cell-properties fo:border='0.5pt "
                + "solid #000000' "
                + "fo:border-bottom='none' style:rotation-angle='270' style:vertical-align='middle'/><style:paragraph-properties fo:text-align='end' "
                + "fo:margin-left='20pt'/></style:style><style:style style:name='loop' style:family='table-cell' style:parent-style-name='loop'/>";
        Workbook workbook = read(styles, "<table:table table:name='Fares'><table:table-column table:default-cell-style-name='Base'/>" + row(text("column"))
                + row("<table:table-cell table:style-name='ce' office:value-type='float' office:value='1'/>")
                + row("<table:table-cell table:style-name='loop' office:value-type='float' office:value='1'/>") + "</table:table>", Map.of()).workbook();
        Sheet sheet = workbook.sheets().get(0);
        CellStyle base = workbook.style(sheet.cell(0, 0));
        assertThat(base.fill()).isEqualTo(new Colour(0xFFCC00));
        assertThat(base.wraps()).isTrue();
        assertThat(base.open()).isTrue();
        assertThat(workbook.styles().get(sheet.columns().get(0).style())).isEqualTo(base);
        CellStyle own = workbook.style(sheet.cell(1, 0));
        assertThat(own.font().is(TextProperty.BOLD)).isTrue();
        assertThat(own.font().get(TextProperty.SIZE)).isEqualTo(14.0);
        assertThat(own.across()).isEqualTo(CellStyle.Across.RIGHT);
        assertThat(own.down()).isEqualTo(CellStyle.Down.MIDDLE);
        assertThat(own.indent()).isEqualTo(2);
        assertThat(own.turn()).isEqualTo(-90);
        assertThat(own.borders().top()).isEqualTo(new Border(Border.Line.SINGLE, 0.5, Colour.BLACK, 0));
        assertThat(own.borders().bottom()).isNull();
        assertThat(own.fill()).isEqualTo(new Colour(0xFFCC00));
    }

    /** 6.1.7: letters that look otherwise, spans within spans. */
    @Test void spansAreStretches() {
        String styles = "<style:style style:name='T1' style:family='text'><style:text-properties fo:font-weight='bold'/></style:style>"
                + "<style:style style:name='T2' style:family='text'><style:text-properties style:text-position='super 58%' "
                + "fo:font-style='italic'/></style:style>";
        CellValue.Text text = (CellValue.Text) sheet(styles, row(text("a <text:span text:style-name='T1'>bold</text:span> and <text:span><text:span "
                + "text:style-name='T2'>up</text:span></text:span><text:span text:style-name='none'>plain</text:span>"))).cell(0, 0).value();
        assertThat(text.text()).isEqualTo("a bold and upplain");
        assertThat(text.stretches()).extracting(CellValue.Stretch::from).containsExactly(2, 11);
        assertThat(text.stretches()).extracting(CellValue.Stretch::to).containsExactly(6, 13);
        assertThat(text.stretches().get(0).look().is(TextProperty.BOLD)).isTrue();
        assertThat(text.stretches().get(1).look().get(TextProperty.SCRIPT)).isEqualTo(Script.SUPER);
    }

    /** 14.1 and 6.1.8: notes are no part of the text; links out, and within by a sheet's own way of naming places. */
    @Test void notesAndLinksAreRead() {
        Sheet sheet = sheet(row("<table:table-cell office:value-type='string'><office:annotation office:display='true'><dc:creator>Ada Quay</dc:creator>"
                + "<dc:date>2026-11-28T08:00:00</dc:date><text:p>Ask <text:span>first</text:span></text:p><text:p>then go</text:p></office:annotation>"
                + "<text:p>seen</text:p></table:table-cell>" + text("<text:a xlink:href='https://fernhollow.example/'>out</text:a>")
                + text("<text:a xlink:href=\"#'Line 2'.B3\">in</text:a>") + text("<text:a xlink:href='../beside.ods'>beside</text:a>")));
        assertThat(sheet.cell(0, 0).value()).isEqualTo(new CellValue.Text("seen"));
        assertThat(sheet.matter().notes()).containsExactly(new CellNote(0, 0, "Ada Quay", "Ask first\nthen go"));
        assertThat(sheet.row(0).cells()).extracting(Cell::link).containsExactly(null, new Link.Address("https://fernhollow.example/"),
                new Link.Inside("'Line 2'!B3"), null);
    }

    /** 9.4.5: conditions of each kind, told once and named by cells; those of empty cells that are repeated are one range. */
    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
        "of:cell-content-is-whole-number() and cell-content-is-between(1,90) | WHOLE_NUMBER | BETWEEN | 1 | 90",
        "of:cell-content-is-decimal-number() and cell-content()>=[.$A$1]*2 | NUMBER | AT_LEAST | $A$1*2 |",
        "cell-content-is-date() and cell-content-is-not-between(DATE(2026;1;1),DATE(2026;12;31)) | DAY | OUTSIDE | `DATE(2026,1,1)` | `DATE(2026,12,31)`",
        "of:cell-content-text-length()!=3 | LENGTH | OTHER | 3 |", "of:cell-content-text-length-is-between(1,3) | LENGTH | BETWEEN | 1 | 3",
        "of:cell-content-is-in-list(\"a\";\"b c\") | LIST | BETWEEN | `\"a,b c\"` |", "of:cell-content-is-in-list([$Lines.$A$1:.$A$9]) | LIST | BETWEEN | "
        + "Lines!$A$1:$A$9 |", "of:is-true-formula(ISNUMBER([.A1])) | FORMULA | BETWEEN | ISNUMBER(A1) |",
                "of:cell-content-is-time() | TIME | AT_LEAST | 0 |"})
    void checksSayWhatMayBeTyped(String condition, CellCheck.Kind kind, Comparison comparison, String first, String second) {
        String told = "<table:content-validations><table:content-validation table:name='v' table:condition='" + condition.replace("\"", "&quot;")
                .replace(">", "&gt;") + "' table:allow-empty-cell='false' table:display-list='none'><table:help-message table:title='Age' table:display='true'>"
                + "<text:p>years</text:p></table:help-message><table:error-message table:message-type='warning' table:display='true'><text:p>no</text:p>"
                + "</table:error-message></table:content-validation></table:content-validations>";
        ReadWorkbook read = read("", told + "<table:table table:name='S'>" + row("<table:table-cell table:content-validation-name='v' "
                + "table:number-columns-repeated='2'/>") + "<table:table-row table:number-rows-repeated='9'><table:table-cell "
                + "table:content-validation-name='v' table:number-columns-repeated='2'/></table:table-row></table:table>", Map.of());
        assertThat(read.workbook().sheets().get(0).matter().checks()).containsExactly(new CellCheck(List.of(new Range(0, 0, 9, 1)), kind, comparison,
                first, second,
                false, false, new CellCheck.Words("Age", "years"), new CellCheck.Words("", "no"), CellCheck.Strictness.WARN));
        assertThat(read.findings()).isEmpty();
    }

    @Test void checksThatCantBeReadAreTold() {
        ReadWorkbook read = read("", "<table:content-validations><table:content-validation table:name='v' table:condition='of:something-else()'/>"
                + "</table:content-validations><table:table table:name='S'>" + row("<table:table-cell table:content-validation-name='v'/><table:table-cell "
                + "table:content-validation-name='gone'/>") + "</table:table>", Map.of());
        assertThat(read.workbook().sheets().get(0).matter().checks()).isEmpty();
        assertThat(read.findings()).extracting(Finding::what).singleElement().asString().startsWith("2 checks");
    }

    /** 9.2.6: pictures in cells by their end, by their size alone, and told from the corner of the sheet. */
    @Test void picturesLieOverCells() {
        Map<String, byte[]> picture = Map.of("Pictures/a.png", FurnishedWorkbook.pixels(Color.BLUE));
        String image = "<draw:image xlink:href='Pictures/a.png'/>";
        ReadWorkbook read = read("<style:style style:name='co' style:family='table-column'><style:table-column-properties "
                + "style:column-width='50pt'/></style:style>"
                + "<style:style style:name='ro' style:family='table-row'><style:table-row-properties style:row-height='20pt'/></style:style>",
                "<table:table table:name='S'><table:shapes><draw:frame svg:x='60pt' svg:y='25pt' svg:width='50pt' svg:height='20pt'>" + image
                + "</draw:frame><draw:line/></table:shapes><table:table-column table:style-name='co' table:number-columns-repeated='9'/><table:table-row "
                + "table:style-name='ro' table:number-rows-repeated='2'>" + text("x") + "</table:table-row><table:table-row table:style-name='ro'>"
                + "<table:table-cell><draw:frame svg:x='5pt' svg:y='2pt' svg:width='70pt' svg:height='30pt' table:end-cell-address='S.C4' table:end-x='3pt' "
                + "table:end-y='4pt'>" + image + "<svg:desc>Sea</svg:desc></draw:frame></table:table-cell><table:table-cell><draw:frame svg:width='70pt' "
                + "svg:height='30pt'><draw:image xlink:href='Pictures/gone.png'/></draw:frame></table:table-cell></table:table-row></table:table>", picture);
        List<SheetObject> objects = read.workbook().sheets().get(0).objects();
        assertThat(objects).hasSize(2);
        assertThat(objects.get(0).cells()).isEqualTo(new Range(1, 1, 2, 2));
        assertThat(new double[] {objects.get(0).left(), objects.get(0).top(), objects.get(0).right(), objects.get(0).bottom()}).containsExactly(10, 5, 10, 5);
        assertThat(objects.get(1).cells()).isEqualTo(new Range(2, 0, 3, 2));
        assertThat(objects.get(1).right()).isEqualTo(3);
        assertThat(objects.get(1).picture().description()).isEqualTo("Sea");
        assertThat(read.findings()).extracting(Finding::what).containsExactlyInAnyOrder("1 picture is left out.", "1 drawn shape is left out.");
    }

    /** 9.4.15, 9.1.2 and 9.4.12: signs to filter by, locks, names of the workbook and of sheets. */
    @Test void filtersLocksAndNamesAreRead() {
        ReadWorkbook read = read("", "<table:table table:name='Fares' table:protected='true' table:protection-key='abc'>" + row(text("x"))
                + "<table:named-expressions><table:named-range table:name='Own' "
                + "table:cell-range-address='$Fares.$A$1'/></table:named-expressions></table:table>"
                + "<table:named-expressions><table:named-range table:name='All' table:cell-range-address='$Fares.$A$1:.$B$9'/><table:named-expression "
                + "table:name='Twice' table:expression='of:=All*2'/></table:named-expressions><table:database-ranges><table:database-range table:name='d' "
                + "table:target-range-address='Fares.A1:Fares.B9' table:display-filter-buttons='true'/><table:database-range table:name='e' "
                + "table:target-range-address='Fares.A1:Fares.C9'/></table:database-ranges>", Map.of());
        assertThat(read.workbook().names()).containsEntry("All", "Fares!$A$1:$B$9").containsEntry("Twice", "All*2").containsEntry("Fares!Own", "Fares!$A$1");
        assertThat(read.workbook().sheets().get(0).matter().filter().range()).isEqualTo(Range.of("A1:B9"));
        assertThat(read.workbook().sheets().get(0).matter().lock().key().digest()).isEqualTo("abc");
        assertThat(read.findings()).isEmpty();
    }

    /** 16.9 and 20: pages of a sheet's own master page. */
    @Test void pagesComeFromMasterPages() {
        String common = "<office:document-styles " + SPACES + "><office:automatic-styles><style:page-layout style:name='pl'><style:page-layout-properties "
                + "fo:page-width='29.7cm' fo:page-height='21cm' fo:margin='1cm' style:print='grid headers' style:table-centering='both' "
                + "style:scale-to-X='1' style:scale-to-Y='2' style:print-page-order='ltr'/></style:page-layout></office:automatic-styles><office:master-styles>"
                + "<style:master-page style:name='mp' style:page-layout-name='pl'><style:header><style:region-left><text:p>Fares</text:p></style:region-left>"
                + "<style:region-right><text:p><text:page-number>1</text:page-number>/<text:page-count>9</text:page-count></text:p></style:region-right>"
                + "</style:header></style:master-page></office:master-styles></office:document-styles>";
        PageSetup setup = read("<style:style style:name='ta' style:family='table' style:master-page-name='mp'><style:table-properties table:display='false'/>"
                + "</style:style>", "<table:table table:name='S' table:style-name='ta' table:print-ranges=\"S.A1:S.C9 'S'.E1:'S'.F2\">" + row(text("x"))
                + "</table:table>", Map.of("styles.xml", common.getBytes(StandardCharsets.UTF_8))).workbook().sheets().get(0).setup();
        assertThat(setup.page().isLandscape()).isTrue();
        assertThat(setup.page().left()).isCloseTo(28.35, within(0.01));
        assertThat(List.of(setup.grid(), setup.headings(), setup.middle(), setup.centre(), setup.across(), setup.fitted())).containsOnly(true);
        assertThat(List.of(setup.wide(), setup.tall())).containsExactly(1, 2);
        assertThat(setup.areas()).containsExactly(Range.of("A1:C9"), Range.of("E1:F2"));
        assertThat(setup.header()).isEqualTo("&LFares&R&P/&N");
    }

    @Test void whatIsNoSpreadsheetIsRefusedInWords() {
        Map<String, byte[]> parts = Map.of("content.xml", ("<office:document-content " + SPACES + "><office:body><office:text/></office:body>"
                + "</office:document-content>").getBytes(StandardCharsets.UTF_8));
        assertThatThrownBy(() -> SheetFormat.ODS.workbook(new Content(Archive.packed(KIND, parts), "a.ods"), null, Progress.SILENT))
                .isInstanceOf(DecantException.class);
        assertThatThrownBy(() -> SheetFormat.ODS.workbook(new Content(Archive.packed(KIND, Map.of()), "a.ods"), null, Progress.SILENT))
                .isInstanceOf(DecantException.class);
    }
}
