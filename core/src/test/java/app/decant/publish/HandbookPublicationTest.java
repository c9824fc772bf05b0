package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Outline;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.PdfChoices;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDCIDFontType2;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.verapdf.cos.COSDocument;
import org.verapdf.cos.COSObjType;

/** The handbook as a PDF, looked at with readers that are not ours: PDFBox for what it says, the veraPDF parser for its objects. */
class HandbookPublicationTest {
    private static final Instant WHEN = Instant.parse("2026-11-16T10:00:00Z");
    @TempDir static Path folder;
    private static PagedDocument pages;
    private static Receipt receipt;

    @BeforeAll static void publish() {
        pages = Layout.of(PassengerHandbook.document(), FontCatalogue.shipped());
        receipt = Publisher.publish(new Order(pages, Recipe.PLAIN), folder.resolve("handbook.pdf"), WHEN, Progress.SILENT);
    }

    @Test void hasAtLeastTwelvePagesAndIsProven() {
        assertThat(pages.count()).isGreaterThanOrEqualTo(12);
        assertThat(receipt.proven()).isTrue();
        assertThat(receipt.pages()).isEqualTo(pages.count());
    }

    @Test void textComesOutInReadingOrder() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            String text = new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
            List<String> passages = List.of("Contents", "Ostrey Sound Ferries has carried people, post and provisions",
                    "Fares in crowns Single Return Ten trips Month", "Water bowls are kept",
                    "Be in the lane twenty minutes ahead", "umbrellas and hats", "Wheelchair users board first", "hears complaints on the first Thursday",
                            "Brannoch Quay Hall 0555 0105 weekdays");
            int at = 0;
            for (String passage : passages) {
                int found = text.indexOf(passage, at);
                assertThat(found).as("“%s” after character %d", passage, at).isGreaterThanOrEqualTo(at);
                at = found;
            }
        }
    }

    /** ISO 32000-1, 12.3.3 and 12.3.2: each bookmark's destination is at the top of the very line that shows its heading. */
    @Test void bookmarksLandOnTheirHeadings() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            List<PDOutlineItem> items = new ArrayList<>();
            gather(pdf.getDocumentCatalog().getDocumentOutline(), items);
            List<Outline.Heading> headings = pages.outline().headings();
            assertThat(items).extracting(PDOutlineItem::getTitle).containsExactlyElementsOf(headings.stream().map(Outline.Heading::title).toList());
            for (PDOutlineItem item : items) {
                PDPageXYZDestination destination = (PDPageXYZDestination) item.getDestination();
                int page = destination.retrievePageNumber();
                double top = pdf.getPage(page).getMediaBox().getHeight() - destination.getTop();
                double shown = topOf(pdf, page, item.getTitle().replaceAll("^[0-9.]+ ", ""));
                assertThat(top).as(item.getTitle()).isCloseTo(shown, within(20.0)).isLessThanOrEqualTo(shown + 0.5);
            }
        }
    }

    /** Where PDFBox sees the heading's letters, large ones only, so that the same words in running text do not count. */
    private static double topOf(PDDocument pdf, int page, String title) throws IOException {
        double[] found = {-1};
        PDFTextStripper stripper = new PDFTextStripper() {
            @Override protected void writeString(String text, List<TextPosition> positions) {
                if (found[0] < 0 && text.contains(title) && positions.get(0).getFontSizeInPt() >= 12)
                    found[0] = positions.get(0).getYDirAdj() - 0.7 * positions.get(0).getFontSizeInPt();
            }
        };
        stripper.setStartPage(page + 1);
        stripper.setEndPage(page + 1);
        stripper.getText(pdf);
        return found[0];
    }

    @Test void bookmarksNestAsHeadingsDo() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            int chapters = 0;
            for (PDOutlineItem item : pdf.getDocumentCatalog().getDocumentOutline().children()) {
                chapters++;
                assertThat(item.getTitle()).startsWith(chapters + " ");
            }
            assertThat(chapters).isEqualTo(7);
        }
    }

    /** ISO 32000-1, 9.9: every font has its program inside; as subsets they are named with six letters and a plus (9.6.4). */
    @Test void fontsAreInsideAndHoldOnlyUsedCharacters() throws IOException {
        Set<String> names = new HashSet<>();
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            for (PDPage page : pdf.getPages()) {
                for (var name : page.getResources().getFontNames()) {
                    PDFont font = page.getResources().getFont(name);
                    names.add(font.getName());
                    assertThat(font.isEmbedded()).as(font.getName()).isTrue();
                    assertThat(font.getName()).matches("[A-Z]{6}\\+.+");
                    byte[] program = ((PDCIDFontType2) ((PDType0Font) font).getDescendantFont()).getFontDescriptor().getFontFile2().toByteArray();
                    TrueTypeFont read = new TTFParser(true).parse(new RandomAccessReadBuffer(program));
                    assertThat(read.getNumberOfGlyphs()).isLessThan(200);
                }
            }
        }
        assertThat(names).hasSizeGreaterThanOrEqualTo(5);
    }

    @Test void linksLeadOutAndInside() throws IOException {
        int out = 0;
        int inside = 0;
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            for (PDPage page : pdf.getPages()) {
                for (PDAnnotation annotation : page.getAnnotations()) {
                    PDAnnotationLink link = (PDAnnotationLink) annotation;
                    if (link.getAction() instanceof PDActionURI uri) {
                        assertThat(uri.getURI()).matches("(https|mailto):.+");
                        out++;
                    } else {
                        assertThat(((PDPageXYZDestination) link.getDestination()).retrievePageNumber()).isBetween(0, pdf.getNumberOfPages() - 1);
                        inside++;
                    }
                }
            }
        }
        assertThat(out).isGreaterThanOrEqualTo(3);
        assertThat(inside).isGreaterThanOrEqualTo(30);
    }

    @Test void contentsEntriesNameThePagesTheirHeadingsAreOn() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setStartPage(2);
            stripper.setEndPage(2);
            String contents = stripper.getText(pdf);
            for (Outline.Heading heading : pages.outline().headings()) {
                int page = pages.spot(new Place(heading.path(), 0)).page();
                assertThat(contents).containsPattern(Pattern.quote(heading.text()) + "\\s*\\.*\\s*" + pages.page(page).label() + "\\b");
            }
        }
    }

    @Test void picturesThatWereJpegStayAsTheyWere() throws IOException {
        Map<String, Integer> filters = new HashMap<>();
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            for (PDPage page : pdf.getPages()) {
                for (var name : page.getResources().getXObjectNames())
                    filters.merge(String.valueOf(page.getResources().getXObject(name).getCOSObject().getFilters()), 1, Integer::sum);
            }
        }
        assertThat(filters.keySet()).anyMatch(filter -> filter.contains("DCTDecode"));
    }

    @Test void theVeraPdfParserReadsEveryObject() throws IOException {
        org.verapdf.pd.PDDocument pdf = new org.verapdf.pd.PDDocument(receipt.file().toString());
        try {
            COSDocument document = pdf.getDocument();
            assertThat(document.getTrailer().getRoot().getType()).isEqualTo(COSObjType.COS_DICT);
            assertThat(pdf.getNumberOfPages()).isEqualTo(pages.count());
            assertThat(document.getObjects()).isNotEmpty().allSatisfy(object -> assertThat(object.getType()).isNotEqualTo(COSObjType.COS_UNDEFINED));
        } finally {
            pdf.close();
        }
    }

    @Test void theSamePagesGiveTheSameBytes() throws IOException {
        Receipt again = Publisher.publish(new Order(Layout.of(PassengerHandbook.document(), FontCatalogue.shipped()), Recipe.PLAIN),
                folder.resolve("again.pdf"), WHEN, Progress.SILENT);
        assertThat(Files.readAllBytes(again.file())).isEqualTo(Files.readAllBytes(receipt.file()));
    }

    @Test void aRangeHoldsItsPagesOnlyWithTheirNumbersAndBookmarks() throws IOException {
        Receipt part = Publisher.publish(new Order(pages, Recipe.PLAIN.of(new PageRange("4-5, 8"))), folder.resolve("part.pdf"), WHEN, Progress.SILENT);
        assertThat(part.proven()).isTrue();
        try (PDDocument pdf = Loader.loadPDF(part.file().toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(3);
            assertThat(pdf.getDocumentCatalog().getPageLabels().getLabelsByPageIndices()).containsExactly("4", "5", "8");
            List<PDOutlineItem> items = new ArrayList<>();
            gather(pdf.getDocumentCatalog().getDocumentOutline(), items);
            assertThat(items).allSatisfy(item -> assertThat(((PDPageXYZDestination) item.getDestination()).retrievePageNumber()).isBetween(0, 2));
            assertThat(items).extracting(PDOutlineItem::getTitle).contains("2.1 Tickets and fares", "4 Safety").doesNotContain("1 Welcome aboard");
        }
        assertThat(part.findings()).extracting(finding -> finding.what()).anyMatch(what -> what.contains("left out"));
    }

    @Test void wholeFontsAreWholeWhenWished() throws IOException {
        Receipt whole = Publisher.publish(new Order(pages, Recipe.PLAIN.with(PdfChoices.Fonts.WHOLE)), folder.resolve("whole.pdf"), WHEN, Progress.SILENT);
        assertThat(whole.proven()).isTrue();
        assertThat(whole.bytes()).isGreaterThan(receipt.bytes() * 2);
    }

    private static void gather(PDOutlineNode node, List<PDOutlineItem> items) {
        for (PDOutlineItem item : node.children()) {
            items.add(item);
            gather(item, items);
        }
    }
}
