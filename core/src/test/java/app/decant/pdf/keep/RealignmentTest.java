package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.Styles;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.pdf.HandmadePage;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Paragraphs of a file's own pages that are aligned, indented and spaced otherwise, in the page's own stream. Written by hand, read back by PDFBox. */
class RealignmentTest {
    private static final List<String> FIRST = List.of("The harbour office opens at eight in the morning, and in summer at seven already, whatever the",
            "tide is, since the boats to the islands are loaded then, and nobody is to wait on the pier for want",
            "of a ticket or a cup of tea.");
    private static final List<String> SECOND = List.of("Bicycles are taken on board as long as there is room for them on the lower deck, where they are to",
            "be made fast by those who bring them.");
    private static final double LEFT = 72;

    @TempDir private Path root;
    private Path source;
    private Taken taken;

    /** A line as it is read back: where it begins and ends, and what it says. */
    private record Line(double left, double right, String text) { }

    @BeforeEach void file() throws IOException { file(""); }

    private void file(String drawn) throws IOException {
        StringBuilder content = new StringBuilder(drawn);
        double y = 700;
        for (List<String> paragraph : List.of(FIRST, SECOND, FIRST)) {
            for (String line : paragraph) {
                content.append("BT /F1 11 Tf ").append(LEFT).append(' ').append(y).append(" Td (").append(line).append(") Tj ET\n");
                y -= 14;
            }
            y -= 10;
        }
        source = root.resolve("source.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDResources resources = new PDResources();
            resources.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            HandmadePage.add(pdf, resources, content.toString());
            pdf.save(source.toFile());
        }
        taken = Decant.open(source);
    }

    private Document looking(String words, UnaryOperator<Look> look) {
        return Dressing.paragraphs(taken.document(), CorrectedFile.find(taken.document(), words), old -> old.withLook(look.apply(old.look())),
                EditKind.STYLE).after();
    }

    private Made made(Document now) { return new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN); }

    private static TreeMap<Double, Line> lines(Path file) throws IOException {
        TreeMap<Double, List<TextPosition>> rows = new TreeMap<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    if (!text.getUnicode().isBlank()) rows.computeIfAbsent(Math.round(text.getYDirAdj() * 10) / 10.0, key -> new ArrayList<>()).add(text);
                }
            }.getText(pdf);
        }
        TreeMap<Double, Line> lines = new TreeMap<>();
        rows.forEach((baseline, letters) -> {
            StringBuilder text = new StringBuilder();
            letters.forEach(letter -> text.append(letter.getUnicode()));
            TextPosition last = letters.get(letters.size() - 1);
            lines.put(baseline, new Line(letters.get(0).getXDirAdj(), last.getXDirAdj() + last.getWidthDirAdj(), text.toString()));
        });
        return lines;
    }

    private static String bare(List<String> lines) { return String.join("", lines).replace(" ", ""); }

    private static String text(Iterable<Line> lines) {
        StringBuilder text = new StringBuilder();
        lines.forEach(line -> text.append(line.text));
        return text.toString();
    }

    /** Each in the middle of the column, which is as wide as the longest line of the page; nothing else moves. */
    @Test void aParagraphIsCentredWhereItStands() throws IOException {
        TreeMap<Double, Line> before = lines(source);
        Made made = made(looking("Bicycles", look -> look.with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE)));
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        TreeMap<Double, Line> after = lines(made.receipt().file());
        double right = before.values().stream().mapToDouble(Line::right).max().orElseThrow();
        assertThat(after.keySet()).isEqualTo(before.keySet());
        assertThat(text(after.values())).isEqualTo(text(before.values()));
        int moved = 0;
        for (double baseline : before.keySet()) {
            Line line = after.get(baseline);
            if (!bare(SECOND).contains(line.text)) {
                assertThat(line).isEqualTo(before.get(baseline));
                continue;
            }
            assertThat((line.left + line.right) / 2).as(line.text).isCloseTo((LEFT + right) / 2, within(0.6));
            moved++;
        }
        assertThat(moved).isEqualTo(2);
    }

    @Test void linesFillTheirColumnButForTheLast() throws IOException {
        Made made = made(looking("harbour office", look -> look.with(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY)));
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<Line> after = List.copyOf(lines(made.receipt().file()).values());
        double right = lines(source).values().stream().mapToDouble(Line::right).max().orElseThrow();
        assertThat(after.get(0).right).isCloseTo(after.get(1).right, within(0.1)).isBetween(right - 6, right + 0.6);
        assertThat(lines(source).firstEntry().getValue().right).as("it filled nothing").isLessThan(after.get(0).right - 5);
        assertThat(after.get(2).right).isLessThan(right - 100);
        assertThat(text(after)).isEqualTo(text(lines(source).values()));
    }

    /** A narrower column breaks its lines anew; what follows goes down by the lines that come to it. */
    @Test void indentsBreakLinesAnewAndPushDownWhatFollows() throws IOException {
        Made made = made(looking("harbour office", look -> look.with(ParagraphProperty.INDENT_START, 100.0).with(ParagraphProperty.INDENT_END, 120.0)));
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        TreeMap<Double, Line> before = lines(source);
        TreeMap<Double, Line> after = lines(made.receipt().file());
        double right = before.values().stream().mapToDouble(Line::right).max().orElseThrow();
        int count = after.size() - before.size();
        assertThat(count).isPositive();
        List<Line> all = List.copyOf(after.values());
        assertThat(text(all.subList(0, 3 + count))).isEqualTo(bare(FIRST));
        assertThat(all.subList(0, 3 + count)).allSatisfy(line -> {
            assertThat(line.left).isCloseTo(LEFT + 100, within(0.3));
            assertThat(line.right).isLessThan(right - 119);
        });
        List<Double> baselines = List.copyOf(after.keySet());
        List<Double> stood = List.copyOf(before.keySet());
        for (int i = 3; i < stood.size(); i++) assertThat(baselines.get(i + count)).isCloseTo(stood.get(i) + 14 * count, within(0.2));
    }

    @Test void spaceAndLineHeightMoveLinesAndWhatFollows() throws IOException {
        List<Double> before = List.copyOf(lines(source).keySet());
        double space = inForce("Bicycles").get(ParagraphProperty.SPACE_BEFORE, 0.0);
        Made spaced = made(looking("Bicycles", look -> look.with(ParagraphProperty.SPACE_BEFORE, space + 12)));
        assertThat(spaced.pages().rewritten(0)).as("%s", spaced.findings()).isNotNull();
        List<Double> after = List.copyOf(lines(spaced.receipt().file()).keySet());
        for (int i = 0; i < before.size(); i++) assertThat(after.get(i)).as("line %d", i).isCloseTo(before.get(i) + (i < 3 ? 0 : 12), within(0.2));
        LineSpacing came = inForce("Bicycles").get(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE);
        Made wide = made(looking("Bicycles", look -> look.with(ParagraphProperty.LINE_SPACING, new LineSpacing(came.rule(), came.value() * 2))));
        assertThat(wide.pages().rewritten(0)).as("%s", wide.findings()).isNotNull();
        after = List.copyOf(lines(wide.receipt().file()).keySet());
        for (int i = 0; i < before.size(); i++) assertThat(after.get(i)).as("line %d", i).isCloseTo(before.get(i) + (i < 4 ? 0 : 14), within(0.2));
    }

    private Look inForce(String words) {
        return Cascade.of(taken.document()).paragraph(taken.document().paragraph(CorrectedFile.find(taken.document(), words).start().path()));
    }

    /** What tells only where pages may end is nothing on a page: that stays its own, byte for byte. */
    @Test void whatNobodySeesChangesNoPage() throws IOException {
        Made made = made(looking("Bicycles", look -> look.with(ParagraphProperty.KEEP_TOGETHER, true)));
        assertThat(made.pages().isOwn(0)).isTrue();
        assertThat(made.pages().rewritten(0)).isNull();
        assertThat(CorrectedFile.stream(made.receipt().file(), 0)).isEqualTo(CorrectedFile.stream(source, 0));
    }

    /** A picture beside the lines is not written over: the page is set anew, and that is told. */
    @Test void nothingIsPutUponWhatStandsBeside() throws IOException {
        file("0.2 0.4 0.6 rg 330 590 160 66 re f 0 g\n");
        Made made = made(looking("Bicycles", look -> look.with(ParagraphProperty.INDENT_START, 60.0)));
        assertThat(made.pages().rewritten(0)).isNull();
        assertThat(made.findings()).anyMatch(finding -> finding.contains("set anew"));
    }

    /** The caret stands where the letters are. */
    @Test void itIsWrittenOnWhereItStandsNow() throws IOException {
        Document now = looking("Bicycles", look -> look.with(ParagraphProperty.ALIGNMENT, Alignment.END));
        TreeMap<Double, Line> read = lines(made(now).receipt().file());
        try (Revision revision = new Revision(Intake.original(source, null), taken)) {
            PagedDocument shown = revision.shown(Decant.layOut(now));
            int checked = 0;
            for (Item item : shown.page(0).text()) {
                if (!(item instanceof Item.LineItem line) || !TextPassage.paragraph(line).text().startsWith("Bicycles")) continue;
                Line there = read.get(read.floorKey(line.baseline() + 0.1));
                assertThat(line.left()).isCloseTo(there.left, within(0.3));
                checked++;
            }
            assertThat(checked).isEqualTo(2);
        }
    }

    /** Written anew and set in the middle, or further in and further down: both in one go, as people do it to a heading or a clause. */
    @Test void wordsAreOthersAndTheirLinesStandOtherwise() throws IOException {
        TreeMap<Double, Line> before = lines(source);
        Document centred = looking("Bicycles", look -> look.with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE));
        Document now = Typing.type(centred, CorrectedFile.find(centred, "Bicycles are taken"), "Prams, bicycles and carts are taken", null).after();

        Made made = made(now);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        TreeMap<Double, Line> after = lines(made.receipt().file());
        assertThat(text(after.values())).isEqualTo(bare(FIRST) + bare(SECOND).replace("Bicyclesaretaken", "Prams,bicyclesandcartsaretaken") + bare(FIRST));
        double middle = 0;
        int count = 0;
        for (Line line : after.values()) {
            if (!line.text.contains("Prams") && !line.text.contains("lowerdeck") && !line.text.contains("bringthem")) continue;
            if (count++ == 0) middle = (line.left + line.right) / 2;
            assertThat((line.left + line.right) / 2).as("%s", line).isCloseTo(middle, within(0.3));
        }
        assertThat(count).isGreaterThan(1);
        assertThat(after.firstKey()).isEqualTo(before.firstKey());

        Document indented = looking("Bicycles", look -> look.with(ParagraphProperty.INDENT_START, 36.0).with(ParagraphProperty.SPACE_BEFORE, 12.0));
        Made deeper = made(Typing.type(indented, CorrectedFile.find(indented, "by those who bring them"), "by whoever brings them", null).after());
        assertThat(deeper.pages().rewritten(0)).as("%s", deeper.findings()).isNotNull();
        for (Line line : lines(deeper.receipt().file()).values()) {
            boolean own = line.text.startsWith("Bicycles") || line.text.contains("whoeverbrings");
            if (own) assertThat(line.left).as("%s", line).isCloseTo(LEFT + 36, within(0.3));
        }
        assertThat(text(lines(deeper.receipt().file()).values())).contains("bywhoeverbringsthem").doesNotContain("bythosewho");
    }

    /** A style made from what is there shows on no page: this stays the file's own. */
    @Test void aStyleOfTheSameLookLeavesThePageAsItIs() throws IOException {
        Document now = Styles.make(taken.document(), TextSelection.caret(CorrectedFile.find(taken.document(), "Bicycles").start()), "Rule").after();
        assertThat(now).isNotEqualTo(taken.document());
        Made made = made(now);
        assertThat(made.findings()).noneMatch(what -> what.contains("anew"));
        assertThat(CorrectedFile.stream(made.receipt().file(), 0)).isEqualTo(CorrectedFile.stream(source, 0));
    }

    /** A paragraph becomes a heading: larger, in the middle, with room before it, and all that was below goes down; it is among the bookmarks. */
    @Test void aParagraphOfAnotherStyleIsSetWhereItStands() throws IOException {
        Look look = Look.of(TextProperty.SIZE, 16.0).with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE).with(ParagraphProperty.SPACE_BEFORE, 10.0)
                .with(ParagraphProperty.OUTLINE_LEVEL, 1);
        Paragraph old = taken.document().paragraph(CorrectedFile.find(taken.document(), "Bicycles").start().path());
        Document styled = taken.document().withStyles(taken.document().styles().with(new Style("Big", "Big", Style.Kind.PARAGRAPH, old.style(), null, look)));
        Document now = Dressing.paragraphs(styled, CorrectedFile.find(styled, "Bicycles"), one -> new Paragraph("Big", one.look(), one.mark(),
                one.inlines().stream().map(inline -> inline.with(inline.look().without(TextProperty.SIZE))).toList()), EditKind.STYLE).after();

        Made made = made(now);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<Line> after = List.copyOf(lines(made.receipt().file()).values());
        assertThat(text(after)).isEqualTo(bare(FIRST) + bare(SECOND) + bare(FIRST));
        assertThat(after).hasSize(8);
        double middle = (after.get(3).left + after.get(3).right) / 2;
        assertThat((after.get(4).left + after.get(4).right) / 2).isCloseTo(middle, within(0.5));
        List<Double> stood = List.copyOf(lines(source).keySet());
        List<Double> stands = List.copyOf(lines(made.receipt().file()).keySet());
        assertThat(stands.subList(0, 3)).isEqualTo(stood.subList(0, 3));
        assertThat(stands.get(4) - stands.get(3)).as("larger letters stand further apart").isCloseTo(14 * 16 / 11.0, within(0.5));
        assertThat(stands.get(5) - stood.get(5)).as("what is below goes down").isGreaterThan(10);
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getDocumentOutline().getFirstChild().getTitle()).startsWith("Bicycles");
        }
    }
}
