package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.layout.Sample;
import app.decant.layout.TextPassage;
import app.decant.layout.WordLines;
import app.decant.page.Item;
import app.decant.page.Pages;
import app.decant.pdf.HandmadePage;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.check.StandardCheck;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.FactsRule;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationRubberStamp;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDBorderStyleDictionary;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pages that are full: what they have no room for goes over to the next, in the file's own streams. Written by hand, read back by PDFBox. */
class FullPagesTest {
    private static final int LINES = 48;
    private static final double TOP = 770;
    private static final double LEADING = 14;
    private static final String MORE = "early, and in summer at seven already, whatever the tide is, since the boats to the islands are loaded then, and nobody"
            + " is to wait on the pier for want of a ticket, a timetable or a cup of tea, least of all those who came with the first bus from the town and"
            + " want to be over there by noon, or those who have the mail to sort before it goes on board, ";

    @TempDir private Path root;

    /** The words of one line of a paragraph; the last of it is short. */
    private static String words(int paragraph, int line, int lines) {
        if (line == lines - 1) return "and that is line " + line + " of " + paragraph + ", its last.";
        return (line == 0 ? "Paragraph " + paragraph + " begins with this line, which fills its column of text quite,"
                : "it goes on in line " + line + " of " + paragraph + ", which fills its column as the others do, and");
    }

    /** Pages full of paragraphs of six lines each, fourteen points apart, with a head and a page number at their foot. */
    private Path file(int pages, int last, String font) throws IOException {
        Path file = root.resolve("full.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDType1Font regular = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
            int count = 0;
            for (int page = 0; page < pages; page++) {
                StringBuilder content = new StringBuilder("BT /" + font + page + " 8 Tf 72 810 Td (Ostrey Sound Ferries) Tj ET\nBT /" + font + page
                        + " 8 Tf 290 40 Td (" + (page + 1) + ") Tj ET\n");
                for (int line = 0; line < (page == pages - 1 ? last : LINES); line++, count++) {
                    double y = TOP - LEADING * line;
                    content.append("BT /").append(font).append(page).append(" 11 Tf 72 ").append(y).append(" Td (").append(words(count / 6, count % 6, 6))
                            .append(") Tj ET\n");
                }
                PDResources resources = new PDResources();
                resources.put(COSName.getPDFName(font + page), regular);
                HandmadePage.add(pdf, resources, content.toString());
            }
            PDOutlineItem item = new PDOutlineItem();
            PDPageXYZDestination place = new PDPageXYZDestination();
            place.setPage(pdf.getPage(0));
            place.setLeft(72);
            place.setTop((int) (TOP - LEADING * 42 + 12));
            item.setTitle("Paragraph 7");
            item.setDestination(place);
            PDDocumentOutline outline = new PDDocumentOutline();
            outline.addLast(item);
            pdf.getDocumentCatalog().setDocumentOutline(outline);
            pdf.save(file.toFile());
        }
        return file;
    }

    private static List<TextPosition> letters(Path file, int page) throws IOException {
        List<TextPosition> letters = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) { if (!text.getUnicode().isBlank()) letters.add(text); }
            };
            stripper.setStartPage(page);
            stripper.setEndPage(page);
            stripper.getText(pdf);
        }
        return letters;
    }

    /** All text in eleven points, in reading order, without blanks. */
    private static String text(Path file, int pages) throws IOException {
        StringBuilder all = new StringBuilder();
        for (int page = 1; page <= pages; page++) {
            List<TextPosition> letters = new ArrayList<>(letters(file, page).stream().filter(letter -> Math.abs(letter.getFontSizeInPt() - 11) < 0.1).toList());
            letters.sort((a, b) -> Math.abs(a.getYDirAdj() - b.getYDirAdj()) > 2 ? Float.compare(a.getYDirAdj(), b.getYDirAdj())
                    : Float.compare(a.getXDirAdj(), b.getXDirAdj()));
            letters.forEach(letter -> all.append(letter.getUnicode()));
        }
        return all.toString();
    }

    private static TreeSet<Double> baselines(Path file, int page) throws IOException {
        TreeSet<Double> baselines = new TreeSet<>();
        for (TextPosition letter : letters(file, page)) baselines.add(Math.round(letter.getYDirAdj() * 10) / 10.0);
        return baselines;
    }

    private static void isApart(Path file, int pages) throws IOException {
        for (int page = 1; page <= pages; page++) {
            List<Double> baselines = List.copyOf(baselines(file, page));
            for (int i = 1; i < baselines.size(); i++) assertThat(baselines.get(i) - baselines.get(i - 1)).as("page %d", page).isGreaterThan(LEADING - 0.2);
        }
    }

    @Test void whatAPageHasNoRoomForGoesOverFromPageToPageUntilThereIsRoom() throws IOException {
        Path source = file(4, 20, "F");
        Made made = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", MORE);
        assertThat(IntStream.range(0, 4).mapToObj(page -> made.pages().rewritten(page) != null)).as("%s", made.findings())
                .containsExactly(true, true, true, true);
        Path file = made.receipt().file();
        assertThat(text(file, 4)).isEqualTo(text(source, 4).replace("goesoninline2of3", MORE.replace(" ", "")));
        isApart(file, 4);
        for (int page = 1; page < 4; page++) {
            // No paragraph leaves a line alone at the foot or at the head, and no page is longer than it was.
            assertThat(baselines(file, page).lower(790.0)).isLessThanOrEqualTo(baselines(source, page).lower(790.0) + LEADING + 0.2);
            assertThat(baselines(file, page).size()).isGreaterThan(LINES - 6);
        }
        assertThat(baselines(file, 4).size()).isGreaterThan(baselines(source, 4).size());
    }

    /** Lines that were set anew for a correction go over themselves, after one another and before what stood at the head of the next page. */
    @Test void theLastParagraphOfAPageGoesOnOnTheNext() throws IOException {
        Path source = file(3, 20, "F");
        for (String word : List.of("goes on in line 4 of 15", "that is line 5 of 7")) {
            Made made = new CorrectedFile(root).correct(source, word, MORE);
            assertThat(made.pages().rewritten(word.endsWith("15") ? 1 : 0)).as("%s", made.findings()).isNotNull();
            Path file = made.receipt().file();
            assertThat(text(file, 3)).as(word).isEqualTo(text(source, 3).replace(word.replace(" ", ""), MORE.replace(" ", "")));
            isApart(file, 3);
        }
    }

    /** Where the caret stands: on the page that shows the letter, as PDFBox reads it. */
    @Test void whatWentOverIsWrittenOnWhereItStandsNow() throws IOException {
        Path source = file(3, 20, "F");
        Taken taken = Decant.open(source);
        Document now = Typing.type(taken.document(), CorrectedFile.find(taken.document(), "goes on in line 2 of 7"), MORE, null).after();
        try (Revision revision = new Revision(Intake.original(source, null), taken)) {
            PagedDocument shown = revision.shown(Decant.layOut(now));
            Path file = new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN).receipt().file();
            for (int page = 0; page < 3; page++) {
                List<String> lines = new ArrayList<>();
                for (Item item : shown.page(page).text()) {
                    if (!(item instanceof Item.LineItem line)) continue;
                    String text = TextPassage.paragraph(line).text().substring(line.line().start(), line.line().end());
                    lines.add(String.format(Locale.ROOT, "%.0f %s", line.baseline(), text.replaceAll("\\s+", "")));
                }
                TreeMap<Integer, StringBuilder> read = new TreeMap<>();
                for (TextPosition letter : letters(file, page + 1))
                    if (letter.getYDirAdj() > 60 && letter.getYDirAdj() < 790) read.computeIfAbsent(Math.round(letter.getYDirAdj()), key -> new StringBuilder())
                            .append(letter.getUnicode());
                assertThat(lines).as("page %d", page).containsExactlyInAnyOrderElementsOf(read.entrySet().stream()
                        .map(one -> one.getKey() + " " + one.getValue()).toList());
            }
        }
    }

    /** What is read aloud of a tagged file is whole: the element of a paragraph holds the lines that went over, in their order (14.7.5.2). */
    @Test void wordsThatGoOverStayWhatTheyAre() throws IOException {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < 24; i++) blocks.add(paragraph(i));
        Path source = root.resolve("tagged.pdf");
        Decant.publish(new Order(Decant.layOut(of(blocks)), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), source, Progress.SILENT);
        Made made = new CorrectedFile(root).correct(source, "line 3 of 2,", MORE);
        assertThat(made.pages().rewritten(1).tagged()).as("%s", made.findings()).isNotEmpty();
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            StringBuilder all = new StringBuilder();
            read(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, all);
            StringBuilder wanted = new StringBuilder();
            for (Block block : blocks) wanted.append(((Paragraph) block).text());
            assertThat(all.toString().replaceAll("\\s", "")).isEqualTo(wanted.toString().replace("line 3 of 2,", MORE).replaceAll("\\s", ""));
        }
    }

    private static void read(PDStructureNode node, PDDocument pdf, StringBuilder all) throws IOException {
        if (node instanceof PDStructureElement element) all.append(TaggedText.of(element, pdf));
        for (Object kid : node.getKids()) if (kid instanceof PDStructureNode child) read(child, pdf, all);
    }

    @Test void placesThatBookmarksLeadToGoAlong() throws IOException {
        Path source = file(2, 20, "F");
        Made made = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", MORE + MORE);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        String seventh = "Paragraph7begins";
        int page = text(file, 1).contains(seventh) ? 1 : 2;
        assertThat(page).as("it went over").isEqualTo(2);
        List<TextPosition> letters = letters(file, page);
        StringBuilder all = new StringBuilder();
        letters.forEach(letter -> all.append(letter.getUnicode()));
        TextPosition first = letters.get(all.indexOf(seventh));
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDOutlineItem item = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
            PDPageXYZDestination place = (PDPageXYZDestination) item.getDestination();
            assertThat(pdf.getPages().indexOf(place.getPage())).isEqualTo(1);
            assertThat(PDRectangle.A4.getHeight() - place.getTop()).isCloseTo(first.getYDirAdj() - 12, within(1.5f));
        }
    }

    /** A link in a line that goes over is over the same words there, and leads where it led; the line under it goes along. */
    @Test void linksGoOverWithTheirLines() throws IOException {
        Path plain = file(3, 20, "F");
        Path source = root.resolve("linked.pdf");
        String words = "that is line 5 of 7";
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            PDAnnotationLink link = new PDAnnotationLink();
            link.setRectangle(box(plain, 1, words));
            link.setBorderStyle(new PDBorderStyleDictionary());
            link.getBorderStyle().setWidth(0);
            PDActionURI action = new PDActionURI();
            action.setURI("https://ferries.example/seven");
            link.setAction(action);
            pdf.getPage(0).setAnnotations(List.<PDAnnotation>of(link));
            try (PDPageContentStream over = new PDPageContentStream(pdf, pdf.getPage(0), AppendMode.APPEND, true, true)) {
                over.setNonStrokingColor(0f, 0f, 1f);
                over.addRect(link.getRectangle().getLowerLeftX(), link.getRectangle().getLowerLeftY() + 0.5f, link.getRectangle().getWidth(), 0.8f);
                over.fill();
            }
            pdf.save(source.toFile());
        }
        Made made = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", MORE);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            assertThat(pdf.getPage(0).getAnnotations()).isEmpty();
            PDAnnotationLink link = (PDAnnotationLink) pdf.getPage(1).getAnnotations().get(0);
            assertThat(((PDActionURI) link.getAction()).getURI()).isEqualTo("https://ferries.example/seven");
            PDRectangle there = box(file, 2, words);
            assertThat(link.getRectangle().getLowerLeftX()).isCloseTo(there.getLowerLeftX(), within(0.3f));
            assertThat(link.getRectangle().getLowerLeftY()).isCloseTo(there.getLowerLeftY(), within(0.3f));
            assertThat(link.getRectangle().getUpperRightX()).isCloseTo(there.getUpperRightX(), within(0.3f));
            assertThat(blue(pdf, 0)).as("nothing is left of the line under it").isEmpty();
            assertThat(blue(pdf, 1)).as("the line is under it there").contains((int) (PDRectangle.A4.getHeight() - there.getLowerLeftY() - 0.9f));
        }
        assertThat(made.receipt().proofs()).allMatch(PdfCheck.Proof::holds);
    }

    /** Where line after line is a link, as in a contents list, each goes with its own, whether that stays on its page or not. */
    @Test void eachLinkOfAListGoesWithItsLine() throws IOException {
        Path plain = file(3, 20, "F");
        Path source = root.resolve("listed.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            List<PDAnnotation> links = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                String words = "goes on in line " + (i % 4 + 1) + " of " + (6 + i / 4);
                PDAnnotationLink link = new PDAnnotationLink();
                link.setRectangle(box(plain, 1, words));
                PDActionURI action = new PDActionURI();
                action.setURI("https://ferries.example/" + words.replace(' ', '_'));
                link.setAction(action);
                links.add(link);
            }
            pdf.getPage(0).setAnnotations(links);
            pdf.save(source.toFile());
        }
        Made made = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", MORE);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path file = made.receipt().file();
        int[] counts = new int[2];
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            for (int page = 0; page < 2; page++) {
                for (PDAnnotation one : pdf.getPage(page).getAnnotations()) {
                    String words = ((PDActionURI) ((PDAnnotationLink) one).getAction()).getURI().replace("https://ferries.example/", "").replace('_', ' ');
                    PDRectangle there = box(file, page + 1, words);
                    assertThat(one.getRectangle().getLowerLeftY()).as(words).isCloseTo(there.getLowerLeftY(), within(0.3f));
                    counts[page]++;
                }
            }
        }
        assertThat(counts[0] + counts[1]).isEqualTo(8);
        assertThat(counts).as("some of them stayed, some went over").doesNotContain(0);
    }

    /** The rows of a page's picture, a pixel a point, that are blue at 120 points from the left. */
    private static Set<Integer> blue(PDDocument pdf, int page) throws IOException {
        BufferedImage image = new PDFRenderer(pdf).renderImageWithDPI(page, 72);
        return IntStream.range(0, image.getHeight()).filter(row -> (image.getRGB(120, row) & 255) > (image.getRGB(120, row) >> 16 & 255) + 60).boxed()
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Around words on a page, in its own space. */
    private static PDRectangle box(Path file, int page, String words) throws IOException {
        List<TextPosition> letters = letters(file, page);
        StringBuilder all = new StringBuilder();
        letters.forEach(letter -> all.append(letter.getUnicode()));
        String bare = words.replace(" ", "");
        TextPosition first = letters.get(all.indexOf(bare));
        TextPosition last = letters.get(all.indexOf(bare) + bare.length() - 1);
        float low = PDRectangle.A4.getHeight() - first.getYDirAdj() - 2;
        return new PDRectangle(first.getXDirAdj(), low, last.getXDirAdj() + last.getWidthDirAdj() - first.getXDirAdj(), 11);
    }

    /** Text that is laid out by itself may take more pages than its file has: what stands on those leads nowhere, and nothing fails for it. */
    @Test void headingsMayStandBeyondTheLastPage() throws IOException {
        Path plain = file(2, 20, "F");
        Path source = root.resolve("bare.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            pdf.getDocumentCatalog().setDocumentOutline(null);
            pdf.save(source.toFile());
        }
        List<Pages.Heading> found = IntStream.of(1, 7).mapToObj(page -> new Pages.Heading(1, "On " + page, "On " + page, page, 100)).toList();
        OwnPages pages = OwnPages.of(Intake.original(source, null), WordLines::of).with(found);
        assertThat(pages.headings()).isEqualTo(found);
        Path file = Decant.publish(new Order(pages, Recipe.PLAIN), root.resolve("made.pdf"), Progress.SILENT).get(0).file();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            assertThat(pdf.getDocumentCatalog().getDocumentOutline().children()).singleElement()
                    .satisfies(item -> assertThat(item.getTitle()).isEqualTo("On 1"));
        }
    }

    /** Pages of headings and text, without bookmarks. */
    private Path headed() throws IOException {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            blocks.add(Paragraph.styled("Heading1", "Chapter " + i + "."));
            blocks.add(paragraph(i));
        }
        Path plain = root.resolve("plain.pdf");
        Decant.publish(new Order(Decant.layOut(Sample.of(blocks)), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), plain, Progress.SILENT);
        Path source = root.resolve("headed.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            pdf.getDocumentCatalog().setDocumentOutline(null);
            pdf.save(source.toFile());
        }
        return source;
    }

    /** Checks that each bookmark leads to where its title stands; gives how many lead to another page than that on which a file had it. */
    private int leads(Path file, Path source) throws IOException {
        int over = 0;
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            for (PDOutlineItem item : pdf.getDocumentCatalog().getDocumentOutline().children()) {
                PDPageXYZDestination place = (PDPageXYZDestination) item.getDestination();
                int page = pdf.getPages().indexOf(place.getPage());
                List<TextPosition> letters = letters(file, page + 1);
                StringBuilder all = new StringBuilder();
                letters.forEach(letter -> all.append(letter.getUnicode()));
                int at = all.indexOf(item.getTitle().replace(" ", ""));
                assertThat(at).as("%s on page %d", item.getTitle(), page).isNotNegative();
                float down = PDRectangle.A4.getHeight() - place.getTop();
                assertThat(letters.get(at).getYDirAdj() - down).as(item.getTitle()).isBetween(5f, 40f);
                if (!letters(source, page + 1).stream().map(TextPosition::getUnicode).collect(Collectors.joining()).contains(item.getTitle().replace(" ", "")))
                    over++;
            }
        }
        return over;
    }

    /** A file without bookmarks gets those of its headings: they lead to where these stand on its own pages, though they went over. */
    @Test void bookmarksLeadToHeadingsWhereTheyAreNow() throws IOException {
        Path source = headed();
        Made made = new CorrectedFile(root).correct(source, "line 3 of 2,", MORE + MORE);
        assertThat(IntStream.range(0, made.pages().count())).as("%s", made.findings()).allMatch(made.pages()::isOwn);
        assertThat(leads(made.receipt().file(), source)).as("headings that went over").isPositive();
    }

    /** Nobody touched it, and its text is laid out otherwise here than its pages have it: what counts is where these show their headings. */
    @Test void bookmarksLeadToHeadingsOfPagesThatNobodyTouched() throws IOException {
        Path source = headed();
        Taken taken = Decant.open(source);
        List<Block> blocks = new ArrayList<>(taken.document().sections().get(0).blocks());
        for (int i = 0; i < 30; i++) blocks.add(0, Paragraph.of(""));
        List<Section> sections = new ArrayList<>(taken.document().sections());
        sections.set(0, sections.get(0).withBlocks(blocks));
        Taken longer = new Taken(taken.document().withSections(sections), taken.findings(), taken.provenance());
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).with(PdfStyle.PLAIN.with(new PdfChoices.Bookmarks(1, 2, 1)));
        Pages pages = new Intake(source, null, progress -> longer).pages(recipe, Progress.SILENT);
        assertThat(pages.headings()).hasSize(16);
        Path file = Decant.publish(new Order(pages, recipe), root.resolve("result.pdf"), Progress.SILENT).get(0).file();
        assertThat(leads(file, source)).isZero();
    }

    /** One with a stamp over all its lines can't let them go down: what comes to it goes to a page before it, counted as loose sheets are. */
    @Test void aPageIsPutInBeforeOneThatCanTakeNothing() throws IOException {
        Path plain = file(4, 20, "F");
        Path source = root.resolve("noted.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            PDAnnotationRubberStamp note = new PDAnnotationRubberStamp();
            note.setRectangle(new PDRectangle(200, 30, 20, 780));
            pdf.getPage(2).setAnnotations(List.<PDAnnotation>of(note));
            pdf.save(source.toFile());
        }
        Made made = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", MORE);
        assertThat(IntStream.range(0, 5).mapToObj(page -> made.pages().rewritten(page) != null)).as("%s", made.findings())
                .containsExactly(true, true, true, false, false);
        Path file = made.receipt().file();
        assertThat(text(file, 5)).isEqualTo(text(source, 4).replace("goesoninline2of3", MORE.replace(" ", "")));
        isApart(file, 5);
        assertThat(said(file)).containsExactly("1", "2", "2a", "3", "4");
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            assertThat(pdf.getPage(2).getAnnotations()).isEmpty();
            assertThat(pdf.getPage(3).getAnnotations()).hasSize(1);
            assertThat(pdf.getDocumentCatalog().getPageLabels().getLabelsByPageIndices()).containsExactly("1", "2", "2a", "3", "4");
        }
        // A shorter change asks nothing of the next pages.
        Made small = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", "leads on in line 2 of 3");
        assertThat(small.pages().rewritten(0)).as("%s", small.findings()).isNotNull();
        assertThat(small.pages().rewritten(1)).isNull();
    }

    /** Of the last page only what it shares with others is there twice: not its picture, nor the rule between its paragraphs. */
    @Test void aPageIsPutInBehindALastOneThatIsFull() throws IOException {
        Path plain = file(3, LINES, "F");
        Path source = root.resolve("drawn.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            for (int page = 0; page < 3; page++) {
                try (PDPageContentStream over = new PDPageContentStream(pdf, pdf.getPage(page), AppendMode.APPEND, true, true)) {
                    for (int y : new int[] {800, 55}) {
                        over.addRect(72, y, 400, 1);
                        over.fill();
                    }
                    if (page == 2) over.addRect(480, 400, 60, 60);
                    if (page == 2) over.fill();
                }
            }
            pdf.save(source.toFile());
        }
        Made made = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", MORE);
        assertThat(IntStream.range(0, 4).mapToObj(page -> made.pages().rewritten(page) != null)).as("%s", made.findings())
                .containsExactly(true, true, true, true);
        Path file = made.receipt().file();
        assertThat(text(file, 4)).isEqualTo(text(source, 3).replace("goesoninline2of3", MORE.replace(" ", "")));
        isApart(file, 4);
        assertThat(said(file)).containsExactly("1", "2", "3", "4");
        assertThat(baselines(file, 4).first()).as("its head").isEqualTo(baselines(source, 3).first());
        assertThat(baselines(file, 4).higher(40.0)).as("its text").isEqualTo(baselines(source, 3).higher(40.0));
        assertThat(inked(file, 3)).as("rules above and below").contains(841 - 800, 841 - 55).doesNotContain(841 - 430);
        assertThat(inked(file, 2)).contains(841 - 800, 841 - 55, 841 - 430);
        assertThat(made.receipt().proofs()).allMatch(PdfCheck.Proof::holds).anyMatch(proof -> proof.message().toString().contains("put in"));
        // Leaving it out leaves the others as they are.
        Pages pages = made.pages();
        assertThat(pages.labels()).containsExactly("1", "2", "3", "4");
        assertThat(pages.ground(3)).isEqualTo(2);
        assertThat(pages.isAdded(3)).isTrue();
    }

    /** A letter of one page that gets longer is two pages; the second begins where the first does. */
    @Test void aLetterOfOnePageGetsASecond() throws IOException {
        Path source = file(1, LINES, "F");
        Made made = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", MORE + MORE + MORE);
        assertThat(made.pages().count()).as("%s", made.findings()).isEqualTo(2);
        Path file = made.receipt().file();
        assertThat(text(file, 2)).isEqualTo(text(source, 1).replace("goesoninline2of3", (MORE + MORE + MORE).replace(" ", "")));
        assertThat(baselines(file, 2).size()).isGreaterThan(3);
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            assertThat(pdf.getPage(1).getMediaBox().toString()).isEqualTo(pdf.getPage(0).getMediaBox().toString());
        }
        // The caret stands there too.
        Taken taken = Decant.open(source);
        Document now = Typing.type(taken.document(), CorrectedFile.find(taken.document(), "goes on in line 2 of 3"), MORE + MORE + MORE, null).after();
        try (Revision revision = new Revision(Intake.original(source, null), taken)) {
            PagedDocument shown = revision.shown(Decant.layOut(now));
            assertThat(shown.count()).isEqualTo(2);
            assertThat(shown.page(1).text()).isNotEmpty();
            assertThat(shown.page(1).ground().rewritten()).isNotNull();
        }
    }

    /** What is read aloud goes on on the page that was put in (14.7.5.2). */
    @Test void whatIsOnAPageThatWasPutInStaysWhatItIs() throws IOException {
        List<Block> blocks = new ArrayList<>();
        while (Decant.layOut(of(blocks)).count() == 1) blocks.add(paragraph(blocks.size()));
        blocks.remove(blocks.size() - 1);
        Path source = root.resolve("tagged.pdf");
        Decant.publish(new Order(Decant.layOut(of(blocks)), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), source, Progress.SILENT);
        Made made = new CorrectedFile(root).correct(source, "line 3 of 2,", MORE + MORE);
        assertThat(made.pages().count()).as("%s", made.findings()).isEqualTo(2);
        assertThat(made.pages().rewritten(1).tagged()).isNotEmpty();
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            StringBuilder all = new StringBuilder();
            read(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, all);
            StringBuilder wanted = new StringBuilder();
            for (Block block : blocks) wanted.append(((Paragraph) block).text());
            assertThat(all.toString().replaceAll("\\s", "")).isEqualTo(wanted.toString().replace("line 3 of 2,", MORE + MORE).replaceAll("\\s", ""));
        }
    }

    /** A copy that can be read aloud tells what is on a page that was put in, too: its structure is found, and held to the rules of that. */
    @Test void aPageThatWasPutInIsReadAloud() throws IOException {
        Recipe aloud = Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.UA_1)).with(new FactsRule(false, "Boats", null, null, null, null));
        Path source = file(3, LINES, "F");
        Made made = new CorrectedFile(root).correct(source, "goes on in line 2 of 3", MORE, aloud);
        assertThat(IntStream.range(0, made.pages().count()).mapToObj(page -> made.pages().rewritten(page) != null)).as("%s", made.findings())
                .containsExactly(true, true, true, true);
        Path file = made.receipt().file();
        assertThat(StandardCheck.rules(file, Standard.UA_1)).isEmpty();
        StringBuilder wanted = new StringBuilder();
        for (int line = 0; line < 3 * LINES; line++) wanted.append(words(line / 6, line % 6, 6));
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            StringBuilder all = new StringBuilder();
            read(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, all);
            assertThat(all.toString().replaceAll("\\s", "")).isEqualTo(wanted.toString().replace("goes on in line 2 of 3", MORE).replaceAll("\\s", ""));
        }
    }

    private static Paragraph paragraph(int count) {
        return Paragraph.of(IntStream.range(0, 6).mapToObj(line -> words(count, line, 6)).collect(Collectors.joining(" ")));
    }

    private static Document of(List<Block> blocks) { return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(blocks))); }

    /** What stands at the foot of each page: its number. */
    private static List<String> said(Path file) throws IOException {
        List<String> said = new ArrayList<>();
        int count;
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            count = pdf.getNumberOfPages();
        }
        for (int page = 1; page <= count; page++)
            said.add(letters(file, page).stream().filter(letter -> letter.getYDirAdj() > 795).map(TextPosition::getUnicode).collect(Collectors.joining()));
        return said;
    }

    /** The rows of a page's picture, a pixel a point, that are dark at 490 or at 470 points from the left: where no text stands. */
    private static Set<Integer> inked(Path file, int page) throws IOException {
        Set<Integer> rows = new TreeSet<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            BufferedImage image = new PDFRenderer(pdf).renderImageWithDPI(page, 72);
            for (int row = 0; row < image.getHeight(); row++)
                if ((image.getRGB(490, row) & 255) < 128 || (image.getRGB(470, row) & 255) < 128) rows.add(row);
        }
        return rows;
    }
}
