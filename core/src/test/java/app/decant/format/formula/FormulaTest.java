package app.decant.format.formula;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.Format;
import app.decant.format.Formats;
import app.decant.layout.Layout;
import app.decant.publish.Order;
import app.decant.publish.Publisher;
import app.decant.publish.Recipe;
import app.decant.xml.XmlReader;
import java.awt.geom.Path2D;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Formulas of pages, documents and OpenDocument texts: how they read in a line, where PDFBox finds their letters, and that they stay formulas. */
class FormulaTest {
    /** MathML 3, chapter 3, and how each reads in a line. */
    private static final Map<String, String> FORMULAS = formulas();
    @TempDir Path folder;

    private static Map<String, String> formulas() {
        Map<String, String> formulas = new LinkedHashMap<>();
        formulas.put("<mfrac><mi>s</mi><mrow><mn>2</mn><mi>v</mi></mrow></mfrac>", "s/2v");
        formulas.put("<mfrac linethickness='0'><mi>n</mi><mi>k</mi></mfrac>", "n¦k");
        formulas.put("<msubsup><mi>x</mi><mi>i</mi><mn>2</mn></msubsup><mo>=</mo><msqrt><mi>y</mi><mo>+</mo><mn>1</mn></msqrt>", "x_i^2=√(y+1)");
        formulas.put("<mroot><mi>z</mi><mn>3</mn></mroot>", "√[3](z)");
        formulas.put("<munderover><mo>∑</mo><mrow><mi>i</mi><mo>=</mo><mn>1</mn></mrow><mi>n</mi></munderover><mi>a</mi>", "∑_(i=1)^na");
        formulas.put("<mrow><mo>(</mo><mtable><mtr><mtd><mn>1</mn></mtd><mtd><mn>0</mn></mtd></mtr></mtable><mo>)</mo></mrow>", "(1 0 ; )");
        formulas.put("<mrow><mo>{</mo><mtable columnalign='right left'><mtr><mtd><mi>x</mi></mtd><mtd><mo>=</mo><mn>1</mn></mtd></mtr></mtable></mrow>",
                "{x =1 ;");
        formulas.put("<munder><mi mathvariant='normal'>lim</mi><mrow><mi>x</mi><mo>→</mo><mn>0</mn></mrow></munder>", "lim_(x→0)");
        formulas.put("<mover accent='true'><mi>a</mi><mo>\u0302</mo></mover>", "a\u0302");
        formulas.put("<mmultiscripts><mi>C</mi><mprescripts/><mn>6</mn><mn>14</mn></mmultiscripts>", "_6^14C");
        formulas.put("<mo>[</mo><mn>0</mn><mo>,</mo><mn>1</mn><mo>)</mo><mtext>or so</mtext>", "[0,1)or so");
        return formulas;
    }

    private static Document page(String math) {
        byte[] page = ("<!DOCTYPE html><html><body><p>Speed <math>" + math + "</math> holds.</p></body></html>").getBytes(StandardCharsets.UTF_8);
        return Formats.read(page, "speed.html", null, Progress.SILENT).document();
    }

    private static Inline.OpaqueInline formula(Document document) {
        return ((Paragraph) document.blocks().get(0)).inlines().stream().filter(Inline.OpaqueInline.class::isInstance).map(Inline.OpaqueInline.class::cast)
                .findFirst().orElseThrow(() -> new AssertionError(document.blocks().toString()));
    }

    /** The law: what is written in a format that has formulas is read from it as the same one, and is seen there. */
    @Test void formulasStayFormulasInFormatsThatHaveThem() {
        FORMULAS.forEach((math, line) -> {
            Document document = page(math);
            for (String ending : List.of("html", "odt", "docx", "odt", "html")) {
                Format format = Formats.called(ending);
                byte[] file = format.write(document, Instant.EPOCH).bytes();
                document = Formats.read(file, "speed." + ending, null, Progress.SILENT).document();
                assertThat(formula(document).opaque().likeness()).as(math + " in " + ending).isNotNull();
                assertThat(formula(document).opaque().likeness().description()).as(math + " in " + ending).isEqualTo(line);
            }
            byte[] text = Formats.called("txt").write(document, Instant.EPOCH).bytes();
            assertThat(new String(text, StandardCharsets.UTF_8)).contains("Speed " + line + " holds.");
        });
    }

    private Path published(Document document) throws IOException {
        Path pdf = Files.createTempDirectory(folder, "made").resolve("speed.pdf");
        Publisher.publish(new Order(Layout.of(document, FontCatalogue.shipped()), Recipe.PLAIN), pdf, Instant.EPOCH, Progress.SILENT);
        return pdf;
    }

    private static void spoken(PDStructureNode node, List<String> words) {
        if (node instanceof PDStructureElement element && element.getAlternateDescription() != null) words.add(element.getAlternateDescription());
        for (Object kid : node.getKids()) if (kid instanceof PDStructureElement element) spoken(element, words);
    }

    @Test void formulasAreReadAloudAsALine() throws IOException {
        List<String> words = new ArrayList<>();
        try (PDDocument made = Loader.loadPDF(published(page("<mfrac><mi>x</mi><mi>y</mi></mfrac>")).toFile())) {
            spoken(made.getDocumentCatalog().getStructureTreeRoot(), words);
        }
        assertThat(words).containsExactly("x/y");
    }

    private List<TextPosition> letters(Document document) throws IOException {
        List<TextPosition> letters = new ArrayList<>();
        try (PDDocument made = Loader.loadPDF(published(document).toFile())) {
            new PDFTextStripper() {
                @Override protected void writeString(String text, List<TextPosition> positions) { letters.addAll(positions); }
            }.getText(made);
        }
        return letters;
    }

    private static TextPosition letter(List<TextPosition> letters, String wanted) {
        return letters.stream().filter(one -> one.getUnicode().equals(wanted)).findFirst().orElseThrow();
    }

    @Test void lettersStandWhereFormulasHaveThem() throws IOException {
        List<TextPosition> fraction = letters(page("<mi>q</mi><mo>=</mo><mfrac><mi>x</mi><mi>y</mi></mfrac>"));
        float line = letter(fraction, "S").getYDirAdj();
        assertThat(letter(fraction, "q").getYDirAdj()).as("on the baseline of its line").isCloseTo(line, within(0.3f));
        assertThat(letter(fraction, "x").getYDirAdj()).isLessThan(line - 2);
        assertThat(letter(fraction, "y").getYDirAdj()).isGreaterThan(line + 2);
        assertThat(letter(fraction, "x").getXDirAdj()).isCloseTo(letter(fraction, "y").getXDirAdj(), within(2f));
        List<TextPosition> raised = letters(page("<msubsup><mi>q</mi><mi>x</mi><mi>y</mi></msubsup>"));
        assertThat(letter(raised, "y").getYDirAdj()).isLessThan(line - 2);
        assertThat(letter(raised, "x").getYDirAdj()).isGreaterThan(line + 1);
        assertThat(letter(raised, "x").getFontSizeInPt()).isLessThan(letter(raised, "q").getFontSizeInPt() * 0.8f);
    }

    /** ISO/IEC 29500-1, 22.1: a formula with a paragraph of its own stands in its middle, letters lean unless they are said to be plain. */
    @Test void officeMathIsReadAsItsClausesSay() {
        String run = "<m:r><m:t>x</m:t></m:r>";
        String body = "<m:nary><m:naryPr><m:chr m:val=\"∏\"/><m:limLoc m:val=\"undOvr\"/><m:supHide m:val=\"1\"/></m:naryPr><m:sub>" + run
                + "</m:sub><m:sup/><m:e><m:d><m:dPr><m:begChr m:val=\"[\"/><m:endChr m:val=\"\"/></m:dPr><m:e>" + run + "</m:e></m:d></m:e></m:nary>"
                + "<m:r><m:rPr><m:scr m:val=\"double-struck\"/></m:rPr><m:t>R2</m:t></m:r><m:bar><m:barPr><m:pos m:val=\"top\"/></m:barPr><m:e>" + run
                + "</m:e></m:bar><m:eqArr><m:e><m:r><m:t>a&amp;=1</m:t></m:r></m:e><m:e><m:r><m:t>b&amp;=22</m:t></m:r></m:e></m:eqArr>";
        Document document = OfficeMathFile.read("<w:p><m:oMathPara><m:oMath>" + body + "</m:oMath></m:oMathPara></w:p>");
        assertThat(formula(document).opaque().likeness().description()).isEqualTo("∏_x[xℝ𝟚x\u0305a =1 ; b =22 ;");
        assertThat(((Paragraph) document.blocks().get(0)).look().get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
        assertThat(OfficeMath.read(OfficeMathFile.markup("<m:oMath>" + run + "<m:r><m:rPr><m:sty m:val=\"b\"/></m:rPr><m:t>y</m:t></m:r></m:oMath>")))
                .isEqualTo(new Formula.Row(List.of(new Formula.Letters("x", false, true, false), new Formula.Letters("y", true, false, false))));
    }

    /** 22.1.2.15, the number from memory: a break stands before its sign, and lines meet at it; letters are as large as their runs say. */
    @Test void formulasBreakWhereTheySayInTheSizeTheySay() throws IOException {
        String large = "<w:rPr><w:sz w:val=\"40\"/></w:rPr>";
        String body = "<m:r>" + large + "<m:t>qqq=x</m:t></m:r><m:r><m:rPr><m:brk m:alnAt=\"1\"/></m:rPr>" + large + "<m:t>=y</m:t></m:r>";
        List<TextPosition> letters = letters(OfficeMathFile.read("<w:p><m:oMathPara><m:oMath>" + body + "</m:oMath></m:oMathPara></w:p>"));
        TextPosition above = letter(letters, "x");
        TextPosition below = letter(letters, "y");
        assertThat(below.getYDirAdj()).isGreaterThan(above.getYDirAdj() + 15);
        assertThat(below.getXDirAdj()).as("both behind a sign at one place").isCloseTo(above.getXDirAdj(), within(2f));
        assertThat(above.getFontSizeInPt()).isCloseTo(20, within(0.5f));
    }

    /** Unicode, Mathematical Alphanumeric Symbols: no face that ships has these letters; they are drawn as others rather than left out. */
    @Test void lettersOfAlphabetsThatNoFaceHasAreSeen() {
        FormulaSetter setter = new FormulaSetter(FontCatalogue.shipped(), false);
        FormulaBox script = setter.set(new Formula.Letters("\uD835\uDC9C", false, false, false), 20);
        assertThat(script.outlines()).isNotEmpty();
        assertThat(script.words().get(0).text()).as("and stay what they are").isEqualTo("\uD835\uDC9C");
        double letters = setter.set(new Formula.Letters("abc", false, true, false), 20).outlines().stream().mapToDouble(one -> one.getBounds2D().getMaxX())
                .max().orElseThrow();
        Formula.Accent hat = new Formula.Accent(new Formula.Letters("abc", false, true, false), "\u0302", false, false);
        List<Path2D> drawn = setter.set(hat, 20).outlines();
        assertThat(drawn.get(drawn.size() - 1).getBounds2D().getWidth()).as("a hat over three letters").isGreaterThan(letters * 0.8);
    }

    @Test void anEmptyOrEndlessFormulaHurtsNobody() {
        assertThat(formula(page("<mfrac></mfrac><mo></mo>")).opaque().likeness()).as("a bar alone").isNotNull();
        assertThat(formula(page("<mi> </mi>")).opaque().likeness()).isNull();
        String deep = "<mrow>".repeat(60) + "<msup>".repeat(60) + "<mi>x</mi>" + "</msup>".repeat(60) + "</mrow>".repeat(60);
        assertThat(formula(page(deep))).isNotNull();
    }

    /** Older OpenDocument files have a prefix before attributes, too; a page that knows none says them without. */
    @Test void prefixesOfAttributesGoToo() {
        String told = "<math:math xmlns:math=\"http://www.w3.org/1998/Math/MathML\"><math:mi math:fontstyle=\"italic\">a math:b</math:mi></math:math>";
        String made = FormulaPictures.mathMarkup(new Opaque("odf", "formula", told, Map.of(), null));
        assertThat(made).contains("fontstyle=\"italic\"", ">a math:b<").doesNotContain("math:fontstyle");
        assertThat(XmlReader.tree(made.getBytes(StandardCharsets.UTF_8), "formula").name()).isEqualTo("math:math");
    }
}
