package app.decant.format.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.sheet.CellValue;
import app.decant.sheet.NumberText;
import app.decant.sheet.Workbook;
import app.decant.document.Facts;
import app.decant.sheet.CellStyle;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Codes of number formats (ISO/IEC 29500-1, 18.8.31) and of headers (18.3.1.46) as the elements of OpenDocument (ISO/IEC 26300-1, 16.29 and 7), and back. */
class SheetCodesTest {
    private static final String SPACES = " xmlns:number='urn:oasis:names:tc:opendocument:xmlns:datastyle:1.0' "
            + "xmlns:style='urn:oasis:names:tc:opendocument:xmlns:style:1.0' xmlns:fo='urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0' "
            + "xmlns:text='urn:oasis:names:tc:opendocument:xmlns:text:1.0'";

    private static String there(String code) {
        OdsNumberStyles styles = new OdsNumberStyles();
        String name = styles.name(code);
        XmlWriter xml = new XmlWriter();
        xml.open("all", "xmlns:number", "urn:oasis:names:tc:opendocument:xmlns:datastyle:1.0", "xmlns:style",
                "urn:oasis:names:tc:opendocument:xmlns:style:1.0",
                "xmlns:fo", "urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0");
        styles.write(xml);
        xml.close();
        Map<String, XmlNode> all = new HashMap<>();
        for (XmlNode one : XmlReader.tree(xml.bytes(), "styles").children()) all.put(one.get("style:name", ""), one);
        return OdsNumbers.code(all.get(name), all);
    }

    /** Numbers, dates and times show the same by the code that comes back, whatever it is called. */
    @ParameterizedTest @ValueSource(strings = {"0", "0.00", "#,##0", "#,##0.00", "000", "0%", "0.00%", "0.00E+00", "# ?/?", "# ??/??", "#,##0;[Red]-#,##0",
        "0.00;[Red](0.00)", "0;-0;\"none\"", "[>100]\"many\";0", "[<=5]0.0;[>50]0;0.00", "\"£\"#,##0.00", "0\" crossings\"", "yyyy-mm-dd", "d/m/yy",
                "dd mmm yyyy",
        "dddd, d mmmm yyyy", "hh:mm", "h:mm AM/PM", "hh:mm:ss", "[h]:mm", "yyyy-mm-dd hh:mm", "mm:ss.0", "#,##0,\"k\""})
    void numbersShowTheSameByTheCodeThatComesBack(String code) {
        NumberText numbers = new NumberText(new Workbook(List.of(), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false), Locale.ENGLISH);
        String again = there(code);
        for (double value : new double[] {0, 1, 3.75, 12, 99.995, 1234567.891, -4.5, 0.5, 46_354.5625, 0.25}) {
            boolean date = NumberText.isDate(code);
            if (date && value < 0) continue;
            assertThat(numbers.of(new CellValue.Number(value), again)).as("%s by %s, which came back as %s", value, code, again)
                    .isEqualTo(numbers.of(new CellValue.Number(value), code));
        }
        assertThat(NumberText.isDate(again)).isEqualTo(NumberText.isDate(code));
    }

    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', value = {
        "<number:number-style style:name='n'><number:number number:decimal-places='2' number:min-integer-digits='1' "
                + "number:grouping='true'/></number:number-style>"
            + " | #,##0.00",
        "<number:number-style style:name='n'><number:number number:min-integer-digits='1'/></number:number-style> | General",
        "<number:number-style style:name='n'><number:number number:decimal-places='3' number:min-decimal-places='1' number:min-integer-digits='1'/>"
            + "</number:number-style> | 0.0##",
        "<number:number-style style:name='n'><number:number number:decimal-places='0' number:min-integer-digits='0'/></number:number-style> | #",
        "<number:currency-style style:name='n'><number:currency-symbol>EUR</number:currency-symbol><number:text> </number:text><number:number "
            + "number:decimal-places='2' number:min-integer-digits='1'/></number:currency-style> | `\"EUR\" 0.00`",
        "<number:date-style style:name='n'><number:day number:style='long'/><number:text>.</number:text><number:month number:textual='true'/><number:text>."
            + "</number:text><number:year/></number:date-style> | dd.mmm.yy",
        "<number:time-style style:name='n' number:truncate-on-overflow='false'><number:hours number:style='long'/><number:text>:</number:text><number:minutes "
            + "number:style='long'/></number:time-style> | [h]:mm",
        "<number:number-style style:name='n'><style:text-properties fo:color='#ff0000'/><number:number number:decimal-places='1' "
            + "number:min-integer-digits='1'/></number:number-style> | [Red]0.0",
        "<number:number-style style:name='n'><number:fraction number:min-integer-digits='1' number:min-numerator-digits='2' number:denominator-value='16'/>"
            + "</number:number-style> | # ??/16",
        "<number:text-style style:name='n'><number:text>Line </number:text><number:text-content/></number:text-style> | `\"Line \"@`",
        "<number:number-style style:name='n'/> | General"})
    void elementsAreReadAsCodes(String markup, String code) {
        XmlNode node = XmlReader.tree(("<all" + SPACES + ">" + markup + "</all>").getBytes(StandardCharsets.UTF_8), "styles").children().get(0);
        assertThat(OdsNumbers.code(node, Map.of())).isEqualTo(code);
    }

    private static String header(String codes) {
        XmlWriter xml = new XmlWriter();
        xml.open("all", "xmlns:style", "urn:oasis:names:tc:opendocument:xmlns:style:1.0", "xmlns:text", "urn:oasis:names:tc:opendocument:xmlns:text:1.0");
        OdsHeader.write(xml, "style:header", codes);
        xml.close();
        return OdsHeader.codes(XmlReader.tree(xml.bytes(), "header").child("style:header"));
    }

    /** Parts, page numbers, dates, names and doubled signs come back; looks are not told there. */
    @ParameterizedTest @CsvSource(delimiter = '|', quoteCharacter = '`', value = {"&LFares&CPage &P of &N&R&D &T | &LFares&CPage &P of &N&R&D &T",
        "middle alone | &Cmiddle alone", "&L&\"Arial,Bold\"&14Fares&R&A | &LFares&R&A", "&CQuay && Pier | &CQuay && Pier", "&C&KFF0000red &P | &Cred &P",
        "&L&F&C&Z&R | &L&F", "&Ca&Bb&Ic | &Cabc"})
    void headersComeBack(String codes, String again) { assertThat(header(codes)).isEqualTo(again); }

    @Test void noHeaderIsNone() {
        assertThat(header(null)).isNull();
        assertThat(header("&L&C&R")).isNull();
        assertThat(header("&C&12345")).as("a size of letters and no letters").isNull();
        assertThat(header("&Cone\ntwo")).isEqualTo("&Cone\ntwo");
        assertThat(header("&Cends in &")).isEqualTo("&Cends in &&");
    }
}
