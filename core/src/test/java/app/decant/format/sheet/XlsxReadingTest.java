package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.format.Archive;
import app.decant.format.Content;
import app.decant.sheet.Cell;
import app.decant.sheet.CellCheck;
import app.decant.sheet.CellNote;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Range;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetLock;
import app.decant.sheet.SheetLock.Allowed;
import app.decant.sheet.SheetView;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.formula.FormulaParser;
import org.apache.poi.ss.formula.FormulaRenderer;
import org.apache.poi.ss.formula.FormulaType;
import org.apache.poi.ss.formula.SharedFormula;
import org.apache.poi.xssf.usermodel.XSSFEvaluationWorkbook;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Workbooks in markup written by hand, clause by clause of ISO/IEC 29500-1, 18; formulas against what POI makes of them. */
class XlsxReadingTest {
    private static final String MAIN = "http://schemas.openxmlformats.org/spreadsheetml/2006/main";
    private static final String ROLES = "http://schemas.openxmlformats.org/officeDocument/2006/relationships";

    private static byte[] file(String sheet, Map<String, String> others) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        put(parts, "_rels/.rels", relations("<Relationship Id='rId1' Type='" + ROLES + "/officeDocument' Target='xl/workbook.xml'/>"));
        put(parts, "xl/workbook.xml", "<workbook xmlns='" + MAIN + "' xmlns:r='" + ROLES + "'><sheets><sheet name='Fares' sheetId='1' r:id='rId1'/></sheets>"
                + "</workbook>");
        put(parts, "xl/_rels/workbook.xml.rels", relations("<Relationship Id='rId1' Type='" + ROLES + "/worksheet' Target='worksheets/sheet1.xml'/>"
                + "<Relationship Id='rId2' Type='" + ROLES + "/sharedStrings' Target='sharedStrings.xml'/>"
                + "<Relationship Id='rId3' Type='http://schemas.microsoft.com/office/2017/10/relationships/person' Target='persons/person.xml'/>"));
        put(parts, "xl/worksheets/sheet1.xml", "<worksheet xmlns='" + MAIN + "' xmlns:r='" + ROLES + "'>" + sheet + "</worksheet>");
        put(parts, "[Content_Types].xml", "<Types xmlns='http://schemas.openxmlformats.org/package/2006/content-types'>"
                + "<Default Extension='rels' ContentType='application/vnd.openxmlformats-package.relationships+xml'/>"
                + "<Default Extension='xml' ContentType='application/xml'/>"
                + "<Override PartName='/xl/workbook.xml' ContentType='application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml'/>"
                + "<Override PartName='/xl/worksheets/sheet1.xml' ContentType='application/vnd.openxmlformats-officedocument.spreadsheetml.worksheet+xml'/>"
                + "</Types>");
        others.forEach((name, text) -> put(parts, name, text));
        return Archive.packed(null, parts);
    }

    private static void put(Map<String, byte[]> parts, String name, String text) { parts.put(name, text.getBytes(StandardCharsets.UTF_8)); }

    private static String relations(String told) {
        return "<Relationships xmlns='http://schemas.openxmlformats.org/package/2006/relationships'>" + told + "</Relationships>";
    }

    private static ReadWorkbook read(String sheet, Map<String, String> others) {
        return SheetFormat.XLSX.workbook(new Content(file(sheet, others), "fares.xlsx"), null, Progress.SILENT);
    }

    private static Sheet sheet(String markup) { return read(markup, Map.of()).workbook().sheets().get(0); }

    /** 18.3.1.40 and 18.18.6: one formula told for a block of cells; POI reads the same. */
    @Test void sharedFormulasAreEachCellsOwn() throws IOException {
        String markup = "<sheetData><row r='2'><c r='C2'><f t='shared' ref='C2:D4' si='0'>A2*$B$1+SUM(A$1:A2)</f><v>1</v></c>"
                + "<c r='D2'><f t='shared' si='0'/><v>2</v></c></row><row r='3'><c r='C3'><f t='shared' si='0'/><v>3</v></c>"
                + "<c r='D3'><f>1+1</f><v>2</v></c></row><row r='4'><c r='D4'><f t='shared' si='0'/><v>4</v></c>"
                + "<c r='E4'><f t='shared' si='9'/><v>7</v></c></row>"
                + "</sheetData>";
        Sheet sheet = sheet(markup);
        assertThat(sheet.cell(1, 2).formula()).isEqualTo("A2*$B$1+SUM(A$1:A2)");
        assertThat(sheet.cell(1, 3).formula()).isEqualTo("B2*$B$1+SUM(B$1:B2)");
        assertThat(sheet.cell(2, 2).formula()).isEqualTo("A3*$B$1+SUM(A$1:A3)");
        assertThat(sheet.cell(2, 3).formula()).isEqualTo("1+1");
        assertThat(sheet.cell(3, 3).formula()).isEqualTo("B4*$B$1+SUM(B$1:B4)");
        assertThat(sheet.cell(3, 4).formula()).as("of one that is not there nothing is told but what it came to").isNull();
        assertThat(sheet.cell(3, 4).value()).isEqualTo(new CellValue.Number(7));
        try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(file(markup, Map.of())))) {
            for (int r = 1; r < 4; r++) for (Cell cell : sheet.row(r).cells())
                if (cell.column() < 4) assertThat(cell.formula()).isEqualTo(book.getSheetAt(0).getRow(r).getCell(cell.column()).getCellFormula());
        }
    }

    /** The words of a formula stay; only places move. Against POI, which takes formulas apart. */
    @ParameterizedTest @ValueSource(strings = {"A1+B2", "$A1+B$2+$C$3", "SUM(A1:B9,D4)", "\"A1 and \"\"B2\"\"\"&C3", "LOG10(A1)", "A:A", "SUM($B:C)",
            "SUM(2:4)",
        "SUM($2:4)", "IF(A1>10,A1%,-A1)", "A1:B2 B2:C3", "1E3+A1", "ROUND(A1,2)", "TRUE", "DATE(2026,1,1)+A1"})
    void placesGoWithTheirCells(String formula) throws IOException {
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            book.createSheet("Fares");
            book.createSheet("Lines");
            book.createSheet("It's A1");
            XSSFEvaluationWorkbook words = XSSFEvaluationWorkbook.create(book);
            SharedFormula shared = new SharedFormula(SpreadsheetVersion.EXCEL2007);
            for (int[] by : new int[][] {{0, 0}, {1, 0}, {0, 1}, {7, 3}, {100, 20}}) {
                String theirs = FormulaRenderer.toFormulaString(words, shared.convertSharedFormulas(
                        FormulaParser.parse(formula, words, FormulaType.CELL, 0, 0), by[0], by[1]));
                String ours = MovedFormula.moved(formula, by[0], by[1]);
                String read = FormulaRenderer.toFormulaString(words, FormulaParser.parse(ours, words, FormulaType.CELL, 0, 0));
                assertThat(read).as("%s by %s, %s", formula, by[0], by[1]).isEqualTo(theirs);
            }
        }
    }

    @ParameterizedTest @CsvSource(delimiter = '|', value = {"A1 | 0 | -1 | #REF!", "SUM(A1:B2) | -1 | 0 | SUM(#REF!)", "$A$1 | -5 | -5 | $A$1",
        "Fare1Total+1 | 1 | 1 | Fare1Total+1", "Prices[[#This Row],[A1]]*B2 | 1 | 0 | Prices[[#This Row],[A1]]*B3", "XFD1 | 0 | 1 | #REF!",
        "\"unclosed A1 | 1 | 0 | \"unclosed A2", "A1048576 | 1 | 0 | #REF!",
        "Lines!A1+'It''s A1'!B2 | 1 | 2 | Lines!C2+'It''s A1'!D3", "SUM(Lines!$A1:B$3) | 1 | 1 | SUM(Lines!$A2:C$3)", "_A1+A1 | 1 | 0 | _A1+A2"})
    void whatLeavesTheSheetLeadsNowhereAndNamesStay(String formula, int down, int across, String moved) {
        assertThat(MovedFormula.moved(formula.strip(), down, across)).isEqualTo(moved.strip());
    }

    /** 18.4: runs with looks of their own, escapes within them, readings left out. */
    @Test void stringsKeepTheLooksOfTheirRuns() {
        String strings = "<sst xmlns='" + MAIN + "'><si><r><t xml:space='preserve'>Winter </t></r><r><rPr><b/><sz val='14'/><color rgb='FFC00000'/>"
                + "<rFont val='Carlito'/></rPr><t>fares_x000A_2026</t></r><r><rPr><vertAlign val='superscript'/></rPr><t>1</t></r>"
                + "<rPh sb='0' eb='1'><t>reading</t></rPh></si><si><t>plain</t></si></sst>";
        Sheet sheet = read("<sheetData><row r='1'><c r='A1' t='s'><v>0</v></c><c r='B1' t='s'><v>1</v></c><c r='C1' t='s'><v>2</v></c>"
                + "<c r='D1' t='inlineStr'><is><r><rPr><i/></rPr><t>in</t></r><r><t>line</t></r></is></c></row></sheetData>",
                Map.of("xl/sharedStrings.xml", strings)).workbook().sheets().get(0);
        CellValue.Text text = (CellValue.Text) sheet.cell(0, 0).value();
        assertThat(text.text()).isEqualTo("Winter fares\n20261");
        assertThat(text.stretches()).extracting(CellValue.Stretch::from).containsExactly(7, 17);
        assertThat(text.stretches().get(0).look().is(TextProperty.BOLD)).isTrue();
        assertThat(text.stretches().get(0).look().get(TextProperty.SIZE)).isEqualTo(14.0);
        assertThat(text.stretches().get(0).look().get(TextProperty.COLOUR)).isEqualTo(new Colour(0xC00000));
        assertThat(text.stretches().get(0).look().get(TextProperty.FAMILY)).isEqualTo("Carlito");
        assertThat(text.stretches().get(1).look().get(TextProperty.SCRIPT)).isEqualTo(Script.SUPER);
        assertThat(sheet.cell(0, 1).value()).isEqualTo(new CellValue.Text("plain"));
        assertThat(sheet.cell(0, 2).value()).as("a string that is not there").isEqualTo(CellValue.EMPTY);
        assertThat(((CellValue.Text) sheet.cell(0, 3).value()).text()).isEqualTo("inline");
        assertThat(((CellValue.Text) sheet.cell(0, 3).value()).stretches()).hasSize(1);
    }

    /** 18.3.1.87 and 18.3.1.66; a split pane is not frozen. */
    @Test void viewsSayWhatStaysInSight() {
        assertThat(sheet("<sheetPr><tabColor rgb='FF00B050'/></sheetPr><sheetViews><sheetView showGridLines='0' rightToLeft='1' zoomScale='150' "
                + "workbookViewId='0'><pane xSplit='1' ySplit='3' topLeftCell='B4' activePane='bottomRight' state='frozen'/></sheetView></sheetViews>"
                + "<sheetData/>").matter().view()).isEqualTo(new SheetView(3, 1, false, true, 1.5, new Colour(0x00B050)));
        assertThat(sheet("<sheetViews><sheetView workbookViewId='0'><pane xSplit='1200' ySplit='3000' state='split'/></sheetView></sheetViews><sheetData/>")
                .matter().view()).isEqualTo(SheetView.PLAIN);
        assertThat(sheet("<sheetViews><sheetView zoomScale='99999'><pane ySplit='-4' xSplit='1e9' state='frozenSplit'/></sheetView></sheetViews><sheetData/>")
                .matter().view()).isEqualTo(new SheetView(0, Range.MOST_COLUMNS - 1, true, false, 4, null));
    }

    /** 18.3.1.85: most things are locked where nothing is said, some free. */
    @Test void locksAllowWhatTheySay() {
        assertThat(sheet("<sheetData/>").matter().lock()).isNull();
        assertThat(sheet("<sheetData/><sheetProtection sheet='0' formatCells='0'/>").matter().lock()).isNull();
        assertThat(sheet("<sheetData/><sheetProtection sheet='1' objects='1' scenarios='1' password='CC1A'/>").matter().lock())
                .isEqualTo(new SheetLock(null, 0xCC1A, SheetLock.USUAL));
        assertThat(sheet("<sheetData/><sheetProtection sheet='1' selectLockedCells='1' sort='0' autoFilter='0' algorithmName='SHA-512' hashValue='QQ==' "
                + "saltValue='Qg==' spinCount='100000'/>").matter().lock()).isEqualTo(new SheetLock(new SheetLock.Key("SHA-512", "QQ==", "Qg==", 100_000), 0,
                EnumSet.of(Allowed.PICK_OPEN, Allowed.SORT, Allowed.FILTER, Allowed.OBJECTS, Allowed.SCENARIOS)));
        assertThat(sheet("<sheetData/><sheetProtection sheet='1' password='none of these'/>").matter().lock().hasPassword()).isFalse();
    }

    /** 18.3.1.32, and the same in an extension where values stand on another sheet ([MS-XLSX], 2.3.11). */
    @Test void checksAreReadFromBothPlaces() {
        ReadWorkbook read = read("<sheetData/><dataValidations count='3'><dataValidation type='decimal' operator='greaterThanOrEqual' allowBlank='1' "
                + "showErrorMessage='1' errorStyle='information' promptTitle='Fare' prompt='In pounds' showInputMessage='1' sqref='B2:B9 D2'><formula1>0.5"
                + "</formula1></dataValidation><dataValidation type='list' showDropDown='1' sqref='E1'><formula1>\"a,b\"</formula1></dataValidation>"
                + "<dataValidation type='mystery' sqref='F1'/></dataValidations><extLst><ext uri='{CCE6A557-97BC-4b89-ADB6-D9C93CAAB3DF}' "
                + "xmlns:x14='http://schemas.microsoft.com/office/spreadsheetml/2009/9/main'><x14:dataValidations count='1' "
                + "xmlns:xm='http://schemas.microsoft.com/office/excel/2006/main'><x14:dataValidation type='list' allowBlank='1' showErrorMessage='1'>"
                + "<x14:formula1><xm:f>Lines!$A$1:$A$9</xm:f></x14:formula1><xm:sqref>C2:C9</xm:sqref></x14:dataValidation>"
                + "</x14:dataValidations></ext></extLst>",
                Map.of());
        List<CellCheck> checks = read.workbook().sheets().get(0).matter().checks();
        assertThat(checks).hasSize(3);
        assertThat(checks.get(0)).isEqualTo(new CellCheck(List.of(Range.of("B2:B9"), Range.of("D2")), CellCheck.Kind.NUMBER, Comparison.AT_LEAST, "0.5", null,
                true, true, new CellCheck.Words("Fare", "In pounds"), null, CellCheck.Strictness.TELL));
        assertThat(checks.get(1).choices()).as("18.3.1.32 says it the other way round").isFalse();
        assertThat(checks.get(1).strictness()).isEqualTo(CellCheck.Strictness.SILENT);
        assertThat(checks.get(2).first()).isEqualTo("Lines!$A$1:$A$9");
        assertThat(checks.get(2).places()).containsExactly(Range.of("C2:C9"));
        assertThat(read.findings()).extracting(Finding::what).anyMatch(what -> what.contains("1 check"));
    }

    /** 18.7; talks of newer files take the place of the notes that only stand in for them ([MS-XLSX], 2.6.205). */
    @Test void notesAndTalksAreReadWithWhoWroteThem() {
        String rels = relations("<Relationship Id='rId1' Type='" + ROLES + "/comments' Target='../comments1.xml'/><Relationship Id='rId2' "
                + "Type='http://schemas.microsoft.com/office/2017/10/relationships/threadedComment' Target='../threadedComments/t1.xml'/>");
        String comments = "<comments xmlns='" + MAIN + "'><authors><author>Ada Quay</author><author>tc={1}</author></authors><commentList>"
                + "<comment ref='B3' authorId='0'><text><r><rPr><b/></rPr><t>Ada Quay:</t></r><r><t xml:space='preserve'>\nask</t></r></text></comment>"
                + "<comment ref='A1' authorId='1'><text><t>[stand-in]</t></text></comment><comment ref='nowhere' authorId='7'><text><t>x</t></text></comment>"
                + "<comment ref='C1' authorId='7'/></commentList></comments>";
        String talks = "<ThreadedComments xmlns='http://schemas.microsoft.com/office/spreadsheetml/2018/threadedcomments'>"
                + "<threadedComment ref='A1' personId='{p1}' id='{1}'><text>Is this right?</text></threadedComment>"
                + "<threadedComment ref='A1' personId='{p2}' id='{2}' parentId='{1}'><text>It is.</text></threadedComment></ThreadedComments>";
        String persons = "<personList xmlns='http://schemas.microsoft.com/office/spreadsheetml/2018/threadedcomments'>"
                + "<person displayName='Ben Pier' id='{p1}'/>"
                + "<person displayName='Ada Quay' id='{p2}'/></personList>";
        ReadWorkbook read = read("<sheetData/><legacyDrawing r:id='rId9'/>", Map.of("xl/worksheets/_rels/sheet1.xml.rels", rels, "xl/comments1.xml", comments,
                "xl/threadedComments/t1.xml", talks, "xl/persons/person.xml", persons));
        assertThat(read.workbook().sheets().get(0).matter().notes()).containsExactly(
                new CellNote(0, 0, "Ben Pier", "Is this right?\nAda Quay: It is."), new CellNote(0, 2, "", ""), new CellNote(2, 1, "Ada Quay",
                        "Ada Quay:\nask"));
        assertThat(read.findings()).isEmpty();
    }

    /** 18.3.1.47: out by an address, within by a place, both together. */
    @Test void linksLeadOutAndWithin() {
        String rels = relations("<Relationship Id='rId1' Type='" + ROLES + "/hyperlink' Target='https://fernhollow.example/' TargetMode='External'/>");
        Sheet sheet = read("<sheetData><row r='1'><c r='A1'><v>1</v></c><c r='B1'><v>2</v></c><c r='C1'><v>3</v></c><c r='D1'><v>4</v></c></row></sheetData>"
                + "<hyperlinks><hyperlink ref='A1' r:id='rId1'/><hyperlink ref='B1' location=\"'Line 2'!A9\" display='there'/><hyperlink ref='C1' r:id='rId1' "
                + "location='part'/><hyperlink ref='D1' r:id='rId7'/></hyperlinks>", Map.of("xl/worksheets/_rels/sheet1.xml.rels", rels)).workbook().sheets()
                .get(0);
        assertThat(sheet.row(0).cells()).extracting(Cell::link).containsExactly(new Link.Address("https://fernhollow.example/"),
                new Link.Inside("'Line 2'!A9"), new Link.Address("https://fernhollow.example/#part"), null);
    }

    /** 18.3.1.13 and 18.3.1.73: groups within groups, columns that are dressed as a whole. */
    @Test void rowsAndColumnsAreGrouped() {
        Sheet sheet = sheet("<cols><col min='1' max='2' width='9' outlineLevel='1'/><col min='3' max='3' width='9' outlineLevel='12' hidden='1'/></cols>"
                + "<sheetData><row r='1' outlineLevel='2'/><row r='2' outlineLevel='-3'><c r='A2'><v>1</v></c></row><row r='3'/></sheetData>");
        assertThat(sheet.row(0).depth()).isEqualTo(2);
        assertThat(sheet.row(1).depth()).isZero();
        assertThat(sheet.row(2)).as("a row that says nothing").isNull();
        assertThat(sheet.columns()).extracting(Column::depth).containsExactly(1, 7);
    }

    /** 18.3.1.2: shown values and blanks by column; other ways of filtering are told. */
    @Test void filtersKeepTheirValues() {
        ReadWorkbook read = read("<sheetData/><autoFilter ref='A1:C9'><filterColumn colId='0'><filters blank='1'><filter val='Adult'/></filters></filterColumn>"
                + "<filterColumn colId='1'><customFilters><customFilter operator='greaterThan' val='3'/></customFilters></filterColumn>"
                + "<filterColumn colId='9'><filters><filter val='x'/></filters></filterColumn></autoFilter>", Map.of());
        assertThat(read.workbook().sheets().get(0).matter().filter().range()).isEqualTo(Range.of("A1:C9"));
        assertThat(read.workbook().sheets().get(0).matter().filter().values()).isEqualTo(Map.of(0, List.of("Adult", "")));
        assertThat(read.findings()).extracting(Finding::what).containsExactly("1 condition of a filter is left out; the rows that it hid stay hidden.");
    }

    /** 18.3.1.40: a formula spread over cells is told by the first of them; a table of entries only by its values. */
    @Test void formulasAreSpreadOverCells() {
        Sheet sheet = sheet("<sheetData><row r='1'><c r='A1'><f t='array' ref='A1:A2'>B1:B2*2</f><v>2</v></c><c r='C1'><f t='dataTable' ref='C1:C2' r1='B1'/>"
                + "<v>5</v></c></row><row r='2'><c r='A2'><v>4</v></c></row></sheetData>");
        assertThat(sheet.cell(0, 0).array()).isEqualTo(new Range(0, 0, 1, 0));
        assertThat(sheet.cell(0, 0).formula()).isEqualTo("B1:B2*2");
        assertThat(sheet.cell(1, 0).formula()).isNull();
        assertThat(sheet.cell(0, 2).formula()).isNull();
        assertThat(((CellValue.Number) sheet.cell(0, 2).value()).value()).isCloseTo(5, within(0.0));
        assertThat(Set.of(sheet.cell(0, 2).style())).containsExactly(0);
    }
}
