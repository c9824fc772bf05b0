package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.document.Document;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.pdf.HandmadePage;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.check.StandardCheck;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.FactsRule;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Paragraphs that go on on the next page, or in the next column, and say more or less than they did. Written by hand, read back by PDFBox. */
class GoingOnTest {
    private static final double LEADING = 14;
    private static final double SIZE = 11;
    private static final double TOP = 770;
    private static final int LINES = 20;
    private static final double LEFT = 72;
    private static final double GUTTER = 24;
    private static final String MORE = "early in the morning, and in summer at seven already, whatever the tide is, since the boats to the islands are"
            + " loaded then, ";

    @TempDir private Path root;

    /** How a page is set. */
    private record Setting(int columns, double width, boolean justified, int lines) {
        double left(int column) { return LEFT + column * (width + GUTTER); }
    }

    private static final Setting RAGGED = new Setting(1, 440, false, LINES);
    private static final Setting JUSTIFIED = new Setting(1, 440, true, LINES);
    private static final Setting FULL = new Setting(1, 440, true, 52);
    private static final Setting COLUMNS = new Setting(2, 208, false, LINES);
    private static final Setting JUSTIFIED_COLUMNS = new Setting(2, 208, true, LINES);

    /** A paragraph in which every sentence is another. */
    private static String paragraph(int number, int sentences) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < sentences; i++)
            text.append(i == 0 ? "" : " ").append("Boat number").append(number).append('x').append(i).append(" leaves the harbour once the mail is on board.");
        return text.toString();
    }

    private static double width(PDType1Font font, String text) throws IOException { return font.getStringWidth(text) * SIZE / 1000; }

    /** Paragraphs one below another without room between, from column to column and from page to page. */
    private Path file(Setting set, int... sentences) throws IOException {
        Path file = root.resolve("going.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDType1Font font = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
            List<StringBuilder> pages = new ArrayList<>();
            int at = 0;
            for (int number = 0; number < sentences.length; number++) {
                List<String> words = new ArrayList<>(List.of(paragraph(number, sentences[number]).split(" ")));
                while (!words.isEmpty()) {
                    int count = 1;
                    while (count < words.size() && width(font, String.join(" ", words.subList(0, count + 1))) <= set.width) count++;
                    List<String> line = words.subList(0, count);
                    boolean ends = count == words.size();
                    double spread = set.justified && !ends ? (set.width - width(font, String.join(" ", line))) / (count - 1) : 0;
                    int column = at / set.lines;
                    if (column / set.columns == pages.size()) pages.add(new StringBuilder("BT /F1 8 Tf 72 810 Td (Ostrey Sound Ferries) Tj ET\n"));
                    pages.get(column / set.columns).append(String.format(Locale.ROOT, "BT /F1 11 Tf %.4f Tw %.3f %.3f Td (%s) Tj ET%n", spread,
                            set.left(column % set.columns), TOP - LEADING * (at % set.lines), String.join(" ", line)));
                    line.clear();
                    at++;
                }
            }
            for (StringBuilder content : pages) {
                PDResources resources = new PDResources();
                resources.put(COSName.getPDFName("F1"), font);
                HandmadePage.add(pdf, resources, content.toString());
            }
            pdf.save(file.toFile());
        }
        return file;
    }

    private record Line(int page, int column, double baseline, double left, double right, String text) { }

    /** The lines of all columns of all pages in their order, without blanks. */
    private static List<Line> lines(Path file, Setting set) throws IOException {
        List<Line> lines = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            for (int page = 0; page < pdf.getNumberOfPages(); page++) {
                List<TextPosition> letters = new ArrayList<>();
                PDFTextStripper stripper = new PDFTextStripper() {
                    @Override protected void processTextPosition(TextPosition text) {
                        if (!text.getUnicode().isBlank() && Math.abs(text.getFontSizeInPt() - SIZE) < 0.1) letters.add(text);
                    }
                };
                stripper.setStartPage(page + 1);
                stripper.setEndPage(page + 1);
                stripper.getText(pdf);
                for (int column = 0; column < set.columns; column++) {
                    TreeMap<Long, List<TextPosition>> rows = new TreeMap<>();
                    for (TextPosition letter : letters) {
                        boolean here = letter.getXDirAdj() > set.left(column) - GUTTER / 2 && letter.getXDirAdj() < set.left(column) + set.width + GUTTER / 2;
                        if (here) rows.computeIfAbsent(Math.round(letter.getYDirAdj() * 2.0), key -> new ArrayList<>()).add(letter);
                    }
                    for (List<TextPosition> row : rows.values()) {
                        row.sort((a, b) -> Float.compare(a.getXDirAdj(), b.getXDirAdj()));
                        StringBuilder text = new StringBuilder();
                        row.forEach(letter -> text.append(letter.getUnicode()));
                        TextPosition last = row.get(row.size() - 1);
                        lines.add(new Line(page, column, row.get(0).getYDirAdj(), row.get(0).getXDirAdj(), last.getXDirAdj() + last.getWidthDirAdj(),
                                text.toString()));
                    }
                }
            }
        }
        return lines;
    }

    private static String text(List<Line> lines) { return String.join("", lines.stream().map(Line::text).toList()); }

    /** A word of a line of the page that is so far from its foot, and that nothing else has. */
    private static String word(List<Line> lines, int page, int column, int fromFoot) {
        List<Line> own = lines.stream().filter(line -> line.page == page && line.column == column).toList();
        String text = own.get(own.size() - 1 - fromFoot).text;
        int at = text.indexOf("number");
        return text.substring(at, text.indexOf("leaves", at));
    }

    private Made isSetOn(Setting set, Path source, String word, String other, int... changed) throws IOException {
        Made made = new CorrectedFile(root).correct(source, word, other);
        for (int page = 0; page < made.pages().count(); page++) {
            int index = page;
            assertThat(made.pages().rewritten(page) != null).as("page %d: %s", page, made.findings())
                    .isEqualTo(IntStream.of(changed).anyMatch(one -> one == index));
        }
        List<Line> lines = lines(made.receipt().file(), set);
        assertThat(text(lines)).isEqualTo(text(lines(source, set)).replace(word.replace(" ", ""), other.replace(" ", "")));
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            assertThat(line.left).as("%s", line).isBetween(set.left(line.column) - 0.1, set.left(line.column) + 0.3);
            assertThat(line.right).as("%s", line).isLessThan(set.left(line.column) + set.width + 0.7);
            if (i == 0) continue;
            Line before = lines.get(i - 1);
            if (before.page == line.page && before.column == line.column) assertThat(line.baseline - before.baseline).as("%s", line).isBetween(13.9, 14.1);
        }
        return made;
    }

    @Test void wordsThatAPageHasNoRoomForAreSetBeforeTheLinesOfTheNext() throws IOException {
        for (Setting set : List.of(RAGGED, JUSTIFIED)) {
            // The third paragraph goes on on the second page, which has room left.
            Path source = file(set, 7, 7, 16, 4);
            List<Line> was = lines(source, set);
            String word = word(was, 0, 0, 2);
            Path file = isSetOn(set, source, word, word + " " + MORE, 0, 1).receipt().file();
            List<Line> lines = lines(file, set);
            assertThat(lines.stream().filter(line -> line.page == 0)).as("the page ends where it did").hasSize(LINES);
            assertThat(lines).hasSizeBetween(was.size() + 1, was.size() + 2);
            if (!set.justified) continue;
            for (Line line : lines)
                if (!line.text.endsWith("board.")) assertThat(line.right).as("%s", line).isGreaterThan(set.left(0) + set.width - 0.7);
        }
    }

    /** Words that go leave no hole: the last line of the page is full, or it goes on with the others. */
    @Test void whereWordsGoNoLineIsLeftHalfEmpty() throws IOException {
        Path source = file(JUSTIFIED, 7, 7, 16, 4);
        List<Line> was = lines(source, JUSTIFIED);
        String word = word(was, 0, 0, 1) + " leaves the harbour once";
        Path file = isSetOn(JUSTIFIED, source, word, "x", 0, 1).receipt().file();
        for (Line line : lines(file, JUSTIFIED))
            if (!line.text.endsWith("board.")) assertThat(line.right).as("%s", line).isGreaterThan(JUSTIFIED.left(0) + JUSTIFIED.width - 0.7);
    }

    /** A paragraph over three pages: the whole of the second is set anew, and gives words on to the third. */
    @Test void wordsGoOnFromPageToPage() throws IOException {
        Path source = file(JUSTIFIED, 3, 60, 4);
        List<Line> was = lines(source, JUSTIFIED);
        assertThat(was.get(was.size() - 1).page).isEqualTo(2);
        String word = word(was, 0, 0, 1);
        isSetOn(JUSTIFIED, source, word, word + " " + MORE, 0, 1, 2);
    }

    @Test void inColumnsWordsGoOnInTheNext() throws IOException {
        for (Setting set : List.of(COLUMNS, JUSTIFIED_COLUMNS)) {
            Path source = file(set, 3, 12, 3);
            List<Line> was = lines(source, set);
            assertThat(was.stream().filter(line -> line.column == 1)).hasSizeBetween(5, LINES - 2);
            String word = word(was, 0, 0, 3);
            isSetOn(set, source, word, word + " " + MORE, 0);
        }
    }

    /** Where the caret stands: on the page that shows the letter, as PDFBox reads it. */
    @Test void whatWentOnIsWrittenOnWhereItStandsNow() throws IOException {
        for (Setting set : List.of(JUSTIFIED, JUSTIFIED_COLUMNS)) {
            Path source = set == JUSTIFIED ? file(set, 3, 60, 4) : file(set, 3, 12, 3);
            String word = word(lines(source, set), 0, 0, 1);
            Taken taken = Decant.open(source);
            Document now = Typing.type(taken.document(), CorrectedFile.find(taken.document(), word), word + " " + MORE, null).after();
            try (Revision revision = new Revision(Intake.original(source, null), taken)) {
                PagedDocument shown = revision.shown(Decant.layOut(now));
                Path file = new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN).receipt().file();
                List<String> lines = new ArrayList<>();
                for (int page = 0; page < shown.count(); page++) {
                    for (Item item : shown.page(page).text()) {
                        if (!(item instanceof Item.LineItem line)) continue;
                        String text = TextPassage.paragraph(line).text().substring(line.line().start(), line.line().end());
                        lines.add(String.format(Locale.ROOT, "%d %.0f %.0f %s", page, line.x(), line.baseline(), text.replaceAll("[\\s\u00A0]+", "")));
                    }
                }
                List<String> read = lines(file, set).stream().map(line -> String.format(Locale.ROOT, "%d %.0f %.0f %s", line.page, line.left, line.baseline,
                        line.text)).toList();
                assertThat(lines).containsAll(read);
            }
        }
    }

    /** A copy that can be read aloud tells the words of each paragraph in their order, whichever page they are on now (ISO 32000-2, 14.7.5). */
    @Test void whatWentOnIsReadAloudInItsOrder() throws IOException {
        Recipe aloud = Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.UA_1)).with(new FactsRule(false, "Boats", null, null, null, null));
        // A paragraph that goes on itself; then one above it, so that whole lines go over.
        for (int fromFoot : new int[] {1, 38}) {
            Path source = file(FULL, 10, 12, 40, 14, 4);
            String word = word(lines(source, FULL), 0, 0, fromFoot);
            String more = word + " " + MORE + MORE;
            Made made = new CorrectedFile(root).correct(source, word, more, aloud);
            assertThat(List.of(made.pages().rewritten(0) != null, made.pages().rewritten(1) != null)).as("%s: %s", fromFoot, made.findings())
                    .containsExactly(true, true);
            Path file = made.receipt().file();
            assertThat(StandardCheck.rules(file, Standard.UA_1)).isEmpty();
            StringBuilder wanted = new StringBuilder();
            int[] sentences = {10, 12, 40, 14, 4};
            for (int number = 0; number < sentences.length; number++) wanted.append(paragraph(number, sentences[number]));
            try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
                StringBuilder all = new StringBuilder();
                read(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, all);
                assertThat(all.toString().replaceAll("\\s", "")).isEqualTo(wanted.toString().replace(word, more).replaceAll("\\s", ""));
            }
        }
    }

    private static void read(PDStructureNode node, PDDocument pdf, StringBuilder all) throws IOException {
        if (node instanceof PDStructureElement element) all.append(TaggedText.of(element, pdf));
        for (Object kid : node.getKids()) if (kid instanceof PDStructureNode child) read(child, pdf, all);
    }
}
