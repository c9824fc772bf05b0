package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.document.Forms;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Change;
import app.decant.edit.FormFilling;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.layout.Layout;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.FieldsDocumentPart;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Forms in .docx: fields and content controls are seen, kept, and filled in; POI reads what was written. */
class FormFieldsTest {
    private static final String FOURTEEN = " xmlns:w14=\"http://schemas.microsoft.com/office/word/2010/wordml\"";
    private static final String FIELDS = "<w:p>" + run("Name ")
            + field("FORMTEXT", "<w:name w:val=\"Name\"/><w:textInput><w:maxLength w:val=\"30\"/></w:textInput>",
            run("Ada") + run(" Quill")) + run(" member ") + field("FORMCHECKBOX",
            "<w:name w:val=\"Member\"/><w:checkBox><w:sizeAuto/><w:default w:val=\"0\"/><w:checked/></w:checkBox>", "") + run(" guest ")
            + field("FORMCHECKBOX", "<w:name w:val=\"Guest\"/><w:checkBox><w:sizeAuto/><w:default w:val=\"0\"/></w:checkBox>", "") + run(" line ")
            + field("FORMDROPDOWN", "<w:name w:val=\"Line\"/><w:ddList><w:result w:val=\"1\"/><w:listEntry w:val=\"Ostrey\"/><w:listEntry "
            + "w:val=\"Skerrow\"/></w:ddList>",
            "") + run(" note ") + field("FORMTEXT", "<w:name w:val=\"Note\"/><w:textInput/>", "") + run(".") + "</w:p>";
    private static final String CONTROLS = "<w:p>" + run("Date ") + control("<w:alias w:val=\"Sailing\"/><w:date><w:dateFormat w:val=\"d MMMM\"/></w:date>",
            run("4 May")) + run(" ") + control("<w:tag w:val=\"ok\"/><w14:checkbox" + FOURTEEN + "><w14:checked w14:val=\"0\"/></w14:checkbox>", run("\u2610"))
            + run(" agreed") + "</w:p><w:sdt><w:sdtPr><w:alias w:val=\"Address\"/><w:id w:val=\"77\"/></w:sdtPr><w:sdtContent><w:p>" + run("1 Shore Street")
            + "</w:p><w:p>" + run("Grennick") + "</w:p><w:tbl><w:tblPr/><w:tblGrid><w:gridCol w:w=\"2000\"/></w:tblGrid><w:tr><w:tc><w:tcPr/><w:p>"
                    + run("cell")
            + "</w:p></w:tc></w:tr></w:tbl></w:sdtContent></w:sdt><w:p>" + run("After") + "</w:p>";

    /** A control that no .docx told anything of keeps its kind, its name and its choices in one (ISO/IEC 29500-1, 17.5.2). */
    @Test void controlsFromElsewhereKeepWhatTheyAre() {
        List<FormField> fields = List.of(new FormField(1, FormField.Kind.TEXT, true, "Name & address", List.of(), null),
                new FormField(2, FormField.Kind.CHOICE, true, "Line", List.of("Ostrey", "Skerrow \"fast\""), null),
                new FormField(3, FormField.Kind.DATE, true, "Day", List.of(), null), new FormField(4, FormField.Kind.TICK, true, "", List.of(), null));
        List<Inline> inlines = new ArrayList<>();
        for (FormField field : fields)
            inlines.add(new Inline.Text(field.kind() == FormField.Kind.TICK ? FormField.UNTICKED : "filled", Look.of(TextProperty.FORM, field)));
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("").withInlines(inlines)))));
        Document again = Formats.read(Formats.called("docx").write(document, Instant.EPOCH).bytes(), "form.docx", null, Progress.SILENT).document();
        List<FormField> read = Walk.of(again).stops().get(0).paragraph().inlines().stream().map(inline -> inline.look().get(TextProperty.FORM)).toList();
        assertThat(read).extracting(FormField::kind).isEqualTo(fields.stream().map(FormField::kind).toList());
        assertThat(read).extracting(FormField::name).isEqualTo(fields.stream().map(FormField::name).toList());
        assertThat(read.get(1).choices()).isEqualTo(fields.get(1).choices());
    }

    private static String run(String text) { return "<w:r><w:t xml:space=\"preserve\">" + text + "</w:t></w:r>"; }

    private static String field(String instruction, String data, String result) {
        return "<w:r><w:fldChar w:fldCharType=\"begin\"><w:ffData>" + data + "</w:ffData></w:fldChar></w:r><w:r><w:instrText> " + instruction
                + " </w:instrText></w:r><w:r><w:fldChar w:fldCharType=\"separate\"/></w:r>" + result + "<w:r><w:fldChar w:fldCharType=\"end\"/></w:r>";
    }

    private static String control(String properties, String content) {
        return "<w:sdt><w:sdtPr>" + properties + "</w:sdtPr><w:sdtContent>" + content + "</w:sdtContent></w:sdt>";
    }

    static Document form() { return read(FIELDS); }

    private static Document read(byte[] file) { return Formats.read(file, "form.docx", null, Progress.SILENT).document(); }
    private static Document read(String body) { return read(new DocxParts().bytes(body)); }
    private static byte[] written(Document document) { return OoxmlFormat.DOCX.write(document, Instant.EPOCH).bytes(); }
    private static TextSelection caret(int offset) { return TextSelection.caret(new Place(Story.BODY, BlockPath.of(0, 0), offset)); }
    private static String first(Document document) { return ((Paragraph) document.blocks().get(0)).plainText(); }

    private static String markup(byte[] file) throws IOException {
        try (XWPFDocument poi = new XWPFDocument(new ByteArrayInputStream(file))) {
            return poi.getDocument().xmlText();
        }
    }

    private static List<String> all(String markup, String pattern) {
        List<String> found = new ArrayList<>();
        Matcher matcher = Pattern.compile(pattern, Pattern.DOTALL).matcher(markup);
        while (matcher.find()) found.add(matcher.group(1).replaceAll(" xmlns:\\w+=\"[^\"]*\"", ""));
        return found;
    }

    @Test void fieldsAreSeenAndTheirSignsDrawn() {
        Document document = read(FIELDS);
        assertThat(first(document)).isEqualTo("Name Ada Quill member \u2612 guest \u2610 line Skerrow note " + FormField.EMPTY + ".");
        assertThat(Layout.of(document, FontCatalogue.shipped()).findings()).extracting(finding -> finding.what()).noneMatch(what -> what.contains("drawn"));
    }

    /** 17.16.17: what is said of fields stays, element by element; the instruction and the result stand where they stood. */
    @Test void fieldsStayWhatTheyAre() throws IOException {
        String before = FIELDS;
        String after = markup(written(read(FIELDS)));
        assertThat(all(after, "<w:name w:val=\"(\\w+)\"")).containsExactly("Name", "Member", "Guest", "Line", "Note");
        assertThat(all(after, "<w:textInput>(.*?)</w:textInput>")).isEqualTo(all(before, "<w:textInput>(.*?)</w:textInput>"));
        assertThat(all(after, "<w:instrText[^>]*> (\\w+) ")).containsExactly("FORMTEXT", "FORMCHECKBOX", "FORMCHECKBOX", "FORMDROPDOWN", "FORMTEXT");
        assertThat(all(after, "<w:checked w:val=\"(\\w)\"")).containsExactly("1", "0");
        assertThat(all(after, "<w:result w:val=\"(\\w)\"")).containsExactly("1");
        assertThat(first(read(written(read(FIELDS))))).isEqualTo(first(read(FIELDS)));
    }

    /** 17.16.15: a field may name what runs when it is come to; that is left out of what is written, and told. */
    @Test void whatFieldsWouldRunIsLeftOut() throws IOException {
        Document document = read("<w:p>" + field("FORMTEXT",
                "<w:name w:val=\"Name\"/><w:entryMacro w:val=\"Start\"/><w:exitMacro w:val=\"Stop\"/><w:textInput/>",
                run("Ada")) + "</w:p>");
        List<Finding> findings = new ArrayList<>();
        String markup = markup(written(PassingLinks.of(document, Set.of(), findings)));
        assertThat(markup).contains("w:name w:val=\"Name\"").doesNotContain("Macro");
        assertThat(findings).hasSize(1);
    }

    @Test void fieldsAreFilledIn() throws IOException {
        Document document = read(FIELDS);
        int guest = first(document).indexOf('\u2610');
        Change ticked = FormFilling.tick(document, caret(guest), FormFilling.at(document, caret(guest)));
        assertThat(all(markup(written(ticked.after())), "<w:checked w:val=\"(\\w)\"")).containsExactly("1", "1");
        int line = first(document).indexOf("Skerrow");
        FormFilling.Filled place = FormFilling.at(document, caret(line + 2));
        assertThat(place.field().choices()).containsExactly("Ostrey", "Skerrow");
        assertThat(place.shown()).isEqualTo("Skerrow");
        assertThat(all(markup(written(FormFilling.fill(document, caret(line), place, "Ostrey").after())), "<w:result w:val=\"(\\w)\"")).containsExactly("0");
        Document typed = Typing.type(document, caret(8), "m", null).after();
        assertThat(FormFilling.at(typed, caret(8)).shown()).as("what is typed within is part of it").isEqualTo("Adam Quill");
        Document emptied = FormFilling.fill(document, caret(7), FormFilling.at(document, caret(7)), "").after();
        assertThat(FormFilling.at(emptied, caret(7)).shown()).isEqualTo(FormField.EMPTY);
    }

    /** RTF 1.9.1, “Form Fields”: boxes and choices by their data, texts by their results; saved as .docx they can still be filled in. */
    @Test void fieldsOfRichTextAreSeenAndStayFields() throws IOException {
        String rtf = "{\\rtf1\\ansi Name {\\field{\\*\\fldinst FORMTEXT {\\*\\formfield{\\fftype0{\\*\\ffname Name}{\\*\\ffdeftext x}}}}{\\fldrslt Ada}}"
                + " member {\\field{\\*\\fldinst FORMCHECKBOX {\\*\\formfield{\\fftype1\\ffres1\\ffdefres0{\\*\\ffname Member}}}}{\\fldrslt }}"
                + " line {\\field{\\*\\fldinst FORMDROPDOWN {\\*\\formfield{\\fftype2\\ffres25\\ffdefres1{\\*\\ffname Line}{\\*\\ffl Ostrey}"
                + "{\\*\\ffl Skerrow}}}}{\\fldrslt }}.\\par}";
        Document document = Formats.read(rtf.getBytes(StandardCharsets.US_ASCII), "form.rtf", null, Progress.SILENT).document();
        assertThat(first(document)).isEqualTo("Name Ada member \u2612 line Skerrow.");
        String markup = markup(written(document));
        assertThat(all(markup, "<w:name w:val=\"(\\w+)\"")).containsExactly("Name", "Member", "Line");
        assertThat(all(markup, "<w:listEntry w:val=\"(\\w+)\"")).containsExactly("Ostrey", "Skerrow");
        assertThat(first(read(written(document)))).isEqualTo(first(document));
    }

    /**
     * Fields stay fields in .rtf, .doc and .odt: texts, boxes, choices with all they offer, what is filled in. POI finds those of .doc; those of .odt are
     * valid, as {@link SchemaTest} has it.
     */
    @ParameterizedTest @ValueSource(strings = {"rtf", "doc", "odt"})
    void fieldsStayFieldsInOtherFormats(String ending) throws IOException {
        Document document = read(FIELDS + CONTROLS);
        byte[] file = Formats.called(ending).write(document, Instant.EPOCH).bytes();
        Document again = Formats.read(file, "form." + ending, null, Progress.SILENT).document();
        assertThat(first(again)).isEqualTo(first(document));
        List<FormField> before = fields(document);
        List<FormField> after = fields(again);
        assertThat(after).extracting(FormField::kind).isEqualTo(before.stream().map(FormField::kind).map(kind -> kind == FormField.Kind.DATE
                ? FormField.Kind.TEXT : kind).toList());
        assertThat(after).extracting(FormField::choices).isEqualTo(before.stream().map(FormField::choices).toList());
        assertThat(after.get(3).name()).isEqualTo("Line");
        int line = first(again).indexOf("Skerrow");
        Document filled = FormFilling.fill(again, caret(line), FormFilling.at(again, caret(line)), "Ostrey").after();
        assertThat(first(Formats.read(Formats.called(ending).write(filled, Instant.EPOCH).bytes(), "form." + ending, null, Progress.SILENT).document()))
                .contains("line Ostrey note");
        if (ending.equals("doc")) try (HWPFDocument poi = new HWPFDocument(new ByteArrayInputStream(file))) {
            assertThat(poi.getFields().getFields(FieldsDocumentPart.MAIN)).extracting(field -> field.getType()).contains(70, 71, 83);
        }
    }

    private static List<FormField> fields(Document document) {
        List<FormField> fields = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).stops()) Forms.spans(Forms.sound(stop.paragraph())).forEach(span -> fields.add(span.field()));
        return fields;
    }

    /** ISO/IEC 26300-1, 13.5: controls of forms that other programs draw in lines and beside them; what holds nothing to fill in is told. */
    @Test void controlsOfOpenDocumentsAreSeen() {
        String forms = "<office:forms><form:form form:name='f'><form:text form:id='a' form:name='Name' form:current-value='Ada'/><form:checkbox xml:id='b' "
                + "form:name='Member' form:label='member' form:current-state='checked'/><form:listbox form:id='c' form:name='Line'><form:option "
                + "form:label='Ostrey'/><form:option form:label='Skerrow' form:current-selected='true'/></form:listbox><form:button form:id='d' "
                + "form:label='Send'/><form:radio form:id='e' form:name='r' form:label='by sea'/></form:form></office:forms>";
        Taken taken = Formats.read(OpenText.file("", forms + "<text:p>Name " + drawn("a", "as-char") + " " + drawn("b", "as-char") + " line "
                + drawn("c", "as-char") + drawn("d", "as-char") + drawn("e", "paragraph") + "</text:p>"), "form.odt", null, Progress.SILENT);
        assertThat(first(taken.document())).startsWith("Name Ada \u2612 member line Skerrow");
        assertThat(fields(taken.document())).extracting(FormField::kind).startsWith(FormField.Kind.TEXT, FormField.Kind.TICK, FormField.Kind.CHOICE);
        assertThat(fields(taken.document()).get(2).choices()).containsExactly("Ostrey", "Skerrow");
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("button"));
        TextBox beside = Walk.of(taken.document()).stops().get(0).paragraph().inlines().stream().filter(Inline.Floating.class::isInstance)
                .map(inline -> (TextBox) ((Inline.Floating) inline).content()).findFirst().orElseThrow();
        assertThat(((Paragraph) beside.blocks().get(0)).text()).isEqualTo("\u2610 by sea");
    }

    private static String drawn(String id, String anchor) {
        return "<draw:control text:anchor-type='" + anchor + "' svg:width='60pt' svg:height='12pt' draw:control='" + id + "'/>";
    }

    /** 17.5.2.29: controls within controls, as sections that repeat have them. */
    @Test void controlsWithinControlsStayWithinThem() throws IOException {
        String inner = control("<w:alias w:val=\"Inner\"/>", "<w:p>" + run("one") + "</w:p>") + control("<w:alias w:val=\"Second\"/>", "<w:p>" + run("two")
                + "</w:p>");
        String markup = markup(written(read(control("<w:alias w:val=\"Outer\"/>", inner + "<w:p>" + run("three") + "</w:p>") + "<w:p>" + run("four")
                + "</w:p>")));
        String bare = markup.replaceAll("<w:sdtPr[^>]*><w:alias w:val=\"(\\w+)\"/></w:sdtPr>", "[$1]").replaceAll("<w:sdtContent>|</w:sdtContent>|<w:sdt>", "")
                .replaceAll("</w:sdt>", "/").replaceAll("<[^>]*>", "");
        assertThat(bare).isEqualTo("[Outer][Inner]one/[Second]two/three/four");
    }

    /** 17.5.2: content controls within lines and round paragraphs and tables, all that is said of them, and what binds them. */
    @Test void controlsStayAndAreFilledIn() throws IOException {
        Document document = read(CONTROLS);
        assertThat(first(document)).isEqualTo("Date 4 May \u2610 agreed");
        assertThat(document.blocks()).extracting(block -> (block instanceof Table table ? table.look() : ((Paragraph) block).look())
                .says(ParagraphProperty.CONTROL)).containsExactly(false, true, true, true, false);
        String after = markup(written(document));
        assertThat(all(after, "<w:alias w:val=\"(\\w+)\"")).containsExactly("Sailing", "Address");
        assertThat(all(after, "<w:date>(.*?)</w:date>")).isEqualTo(all(CONTROLS, "<w:date>(.*?)</w:date>"));
        assertThat(all(after, "(<w:sdt>)")).hasSize(3);
        assertThat(all(after, "w14:checked w14:val=\"(\\d)\"")).containsExactly("0");
        int box = first(document).indexOf('\u2610');
        Document ticked = FormFilling.tick(document, caret(box), FormFilling.at(document, caret(box))).after();
        assertThat(all(markup(written(ticked)), "w14:checked w14:val=\"(\\d)\"")).containsExactly("1");
        assertThat(read(written(document)).sections().get(0).blocks()).hasSameSizeAs(document.sections().get(0).blocks());
        assertThat(first(read(written(document)))).isEqualTo(first(document));
    }
}
