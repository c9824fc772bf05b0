package app.decant.pdf.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.junit.jupiter.api.Test;

/** The scan of content streams against PDFBox's own parser, over streams as they may be written (ISO 32000-1, 7.2, 7.3 and 7.8.2). */
class ContentScanTest {
    private static final String[] OPERANDS = {"(plain)", "(a\\(b\\)c)", "(nested (twice (over)) so)", "(\\101\\7\\0612)", "(one\\\ntwo)",
            "(x\\r\\n\\t\\b\\f\\\\)", "<48 65 6C6c6F>", "<485>", "<>", "()", "12", "-.5", "+3.25", "0", "/F1", "/A#20B", "true", "false", "null",
            "[(a) -20 <62> 3.5 (c)]", "[]", "<</MCID 3>>", "<< /ActualText (x>>y\\)) /K <</N (z)>> >>", "% a (comment\n"};
    private static final String[] OPERATORS = {"Tj", "TJ", "'", "\"", "Tf", "q", "Q", "BDC", "BMC", "EMC", "re", "f", "f*", "T*", "cm", "d0", "Do"};
    private static final String[] SPACES = {" ", "\n", "\r\n", "\t", "  ", "\f"};

    @Test void findsTheOperatorsAndStringsThatAWholeParserFinds() throws IOException {
        for (long seed = 0; seed < 3000; seed++) {
            Random random = new Random(seed);
            StringBuilder stream = new StringBuilder();
            for (int i = random.nextInt(30); i >= 0; i--) {
                for (int operands = random.nextInt(4); operands > 0; operands--) stream.append(one(random, OPERANDS)).append(one(random, SPACES));
                stream.append(one(random, OPERATORS)).append(one(random, SPACES));
            }
            byte[] bytes = stream.toString().getBytes(StandardCharsets.ISO_8859_1);
            assertThat(scanned(bytes)).as("seed %d: %s", seed, stream).isEqualTo(parsed(bytes));
        }
    }

    @Test void tightStreamsNeedNoSpaces() throws IOException {
        byte[] bytes = "BT/F1 12 Tf(a)Tj[(b)-3(c)]TJ/P<</MCID 0>>BDC<64>Tj EMC ET".getBytes(StandardCharsets.ISO_8859_1);
        assertThat(scanned(bytes)).isEqualTo(parsed(bytes)).contains("Tj a", "TJ bc", "Tj d");
    }

    /** A line that ends within a string ends with a line feed, however it is written (ISO 32000-1, 7.3.4.2); PDFBox leaves it as it is. */
    @Test void linesThatEndWithinAStringEndAlike() throws IOException {
        assertThat(scanned("(one\r\ntwo\rthree\nfour) Tj".getBytes(StandardCharsets.ISO_8859_1))).containsExactly("Tj one\ntwo\nthree\nfour");
    }

    @Test void picturesInTheLineArePassedOver() throws IOException {
        byte[] bytes = "BI /W 2 /H 2 /BPC 8 /CS /G ID (EIx)< EI Q (said) Tj".getBytes(StandardCharsets.ISO_8859_1);
        assertThat(scanned(bytes)).endsWith("EI ", "Q ", "Tj said");
    }

    @Test void namesAndTextsOfTheirOwnAreKept() throws IOException {
        ContentScan scan = new ContentScan("/Span/Words BDC /F#31 9 Tf /Span <</ActualText (x>>y)>> BDC".getBytes(StandardCharsets.ISO_8859_1));
        assertThat(scan.next()).isEqualTo(ContentScan.operator("BDC"));
        assertThat(scan.lastName()).isEqualTo("Words");
        assertThat(scan.next()).isEqualTo(ContentScan.operator("Tf"));
        assertThat(scan.firstName()).isEqualTo("F1");
        assertThat(scan.next()).isEqualTo(ContentScan.operator("BDC"));
        assertThat(scan.length()).as("what a dictionary says is not shown").isZero();
        assertThat(new PDFStreamParser(scan.replacing()).parseNextToken()).isInstanceOfSatisfying(COSDictionary.class,
                own -> assertThat(own.getString("ActualText")).isEqualTo("x>>y"));
        assertThat(scan.next()).isEqualTo(ContentScan.END);
    }

    @Test void whatBreaksOffIsTold() {
        for (String broken : List.of("(never ends", "<4865", "/P <</MCID 3 BDC", "BI /W 1 ID abc"))
            assertThatThrownBy(() -> scanned(broken.getBytes(StandardCharsets.ISO_8859_1))).as(broken).isInstanceOf(IOException.class)
                    .hasMessageContaining("breaks off");
    }

    private static String one(Random random, String[] of) { return of[random.nextInt(of.length)]; }

    private static List<String> scanned(byte[] bytes) throws IOException {
        List<String> found = new ArrayList<>();
        ContentScan scan = new ContentScan(bytes);
        for (int operator = scan.next(); operator != ContentScan.END; operator = scan.next())
            found.add(letters(operator) + " " + new String(scan.codes(), StandardCharsets.ISO_8859_1));
        return found;
    }

    private static String letters(int operator) {
        return operator == 0 ? "" : letters(operator >> 8) + (char) (operator & 0xFF);
    }

    private static List<String> parsed(byte[] bytes) throws IOException {
        List<String> found = new ArrayList<>();
        StringBuilder strings = new StringBuilder();
        PDFStreamParser parser = new PDFStreamParser(bytes);
        for (Object token = parser.parseNextToken(); token != null; token = parser.parseNextToken()) {
            if (token instanceof Operator operator) {
                found.add(operator.getName() + " " + strings);
                strings.setLength(0);
            } else {
                said((COSBase) token, strings);
            }
        }
        return found;
    }

    private static void said(COSBase operand, StringBuilder strings) {
        if (operand instanceof COSString string) strings.append(new String(string.getBytes(), StandardCharsets.ISO_8859_1));
        if (operand instanceof COSArray array) array.forEach(one -> said(one, strings));
    }
}
