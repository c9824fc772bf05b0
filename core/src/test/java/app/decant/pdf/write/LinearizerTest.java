package app.decant.pdf.write;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageFitDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The order of ISO 32000-1, Annex F, held against where PDFBox finds the objects: what page 1 needs lies before the end that is told for it, and the hint
 * table leads to every page.
 */
class LinearizerTest {
    private static final Pattern ENTRY = Pattern.compile("/([LEONT]) (\\d+)");
    private static final Pattern HINT = Pattern.compile("/H \\[\\s*(\\d+)\\s+(\\d+)");

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 9, 40})
    void aReaderFindsEveryPageWhileTheFileIsStillComing(int count) throws IOException {
        byte[] plain = file(count, new Random(count));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Linearizer.write(plain, null, out);
        byte[] made = out.toByteArray();
        String head = new String(made, 0, 1024, StandardCharsets.ISO_8859_1);
        Matcher hint = HINT.matcher(head);
        assertThat(hint.find()).isTrue();
        int hintAt = Integer.parseInt(hint.group(1));
        int hintLength = Integer.parseInt(hint.group(2));
        try (PDDocument pdf = Loader.loadPDF(made); PDDocument before = Loader.loadPDF(plain)) {
            assertThat(value(head, 'L')).isEqualTo(made.length);
            assertThat(value(head, 'N')).isEqualTo(count);
            Map<COSObjectKey, Long> places = pdf.getDocument().getXrefTable();
            List<COSObject> pages = pages(pdf);
            assertThat(pages.get(0).getKey().getNumber()).isEqualTo(value(head, 'O'));
            Set<COSObjectKey> needed = new HashSet<>();
            needs(pages.get(0), needed);
            assertThat(needed).hasSizeGreaterThan(2).allSatisfy(key -> assertThat(places.get(key)).as(key.toString()).isLessThan(value(head, 'E')));
            Bits table = hints(made, pdf, hintAt);
            long[] header = table.numbers(32, 32, 16, 32, 16, 32, 16, 32, 16, 16, 16, 16, 16);
            long[] objects = table.each(count, header[2]);
            long[] lengths = table.each(count, header[4]);
            // Places are told as if the hint stream, which stands before, were not there (F.4.1).
            long at = header[1] + hintLength;
            for (int i = 0; i < count; i++) {
                assertThat(places.get(pages.get(i).getKey())).as("page %d", i + 1).isEqualTo(at);
                long end = at + header[3] + lengths[i];
                long begins = at;
                assertThat(places.values().stream().filter(place -> place >= begins && place < end).count()).as("objects of page %d", i + 1)
                        .isEqualTo(header[0] + objects[i]);
                at = end;
            }
            assertThat(new PDFTextStripper().getText(pdf)).isEqualTo(new PDFTextStripper().getText(before));
            assertThat(titles(pdf)).isEqualTo(titles(before)).hasSize(count);
        }
    }

    /** Pages with streams of their own, fonts that some share, bookmarks. */
    private static byte[] file(int count, Random random) throws IOException {
        try (PDDocument pdf = new PDDocument()) {
            List<PDType1Font> fonts = new ArrayList<>();
            for (FontName name : List.of(FontName.HELVETICA, FontName.TIMES_ROMAN, FontName.COURIER)) fonts.add(new PDType1Font(name));
            PDDocumentOutline outline = new PDDocumentOutline();
            pdf.getDocumentCatalog().setDocumentOutline(outline);
            for (int i = 0; i < count; i++) {
                PDPage page = new PDPage();
                pdf.addPage(page);
                try (PDPageContentStream stream = new PDPageContentStream(pdf, page)) {
                    stream.beginText();
                    for (PDType1Font font : fonts) {
                        if (random.nextBoolean() && font != fonts.get(0)) continue;
                        stream.setFont(font, 12);
                        stream.newLineAtOffset(10, 20);
                        stream.showText("Ferry " + i + " sails ".repeat(1 + random.nextInt(40)));
                    }
                    stream.endText();
                }
                PDOutlineItem item = new PDOutlineItem();
                PDPageFitDestination place = new PDPageFitDestination();
                place.setPage(page);
                item.setDestination(place);
                item.setTitle("Part " + i);
                outline.addLast(item);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            pdf.save(out, CompressParameters.NO_COMPRESSION);
            return out.toByteArray();
        }
    }

    private static List<String> titles(PDDocument pdf) {
        List<String> titles = new ArrayList<>();
        for (PDOutlineItem item : pdf.getDocumentCatalog().getDocumentOutline().children()) titles.add(item.getTitle());
        return titles;
    }

    private static List<COSObject> pages(PDDocument pdf) {
        List<COSObject> pages = new ArrayList<>();
        gather(pdf.getDocumentCatalog().getCOSObject().getItem(COSName.PAGES), pages);
        return pages;
    }

    private static void gather(COSBase node, List<COSObject> pages) {
        COSArray kids = ((COSDictionary) ((COSObject) node).getObject()).getCOSArray(COSName.KIDS);
        if (kids == null) pages.add((COSObject) node);
        else for (int i = 0; i < kids.size(); i++) gather(kids.get(i), pages);
    }

    /** What a page needs to be shown: all that it leads to but the tree it hangs in and other pages. */
    private static void needs(COSBase from, Set<COSObjectKey> needed) {
        if (from instanceof COSObject reference) {
            if (needed.add(reference.getKey())) needs(reference.getObject(), needed);
        } else if (from instanceof COSDictionary dictionary) {
            for (Map.Entry<COSName, COSBase> entry : dictionary.entrySet()) if (!entry.getKey().equals(COSName.PARENT)) needs(entry.getValue(), needed);
        } else if (from instanceof COSArray array) {
            for (int i = 0; i < array.size(); i++) needs(array.get(i), needed);
        }
    }

    private static long value(String head, char key) {
        Matcher matcher = ENTRY.matcher(head);
        while (matcher.find()) if (matcher.group(1).charAt(0) == key) return Long.parseLong(matcher.group(2));
        throw new AssertionError("There is no " + key);
    }

    private static Bits hints(byte[] file, PDDocument pdf, int at) throws IOException {
        Set<Long> places = new TreeSet<>(pdf.getDocument().getXrefTable().values());
        assertThat(places).contains((long) at);
        for (Map.Entry<COSObjectKey, Long> entry : pdf.getDocument().getXrefTable().entrySet()) {
            if (entry.getValue() != at) continue;
            COSStream stream = (COSStream) pdf.getDocument().getObjectFromPool(entry.getKey()).getObject();
            try (var in = stream.createInputStream()) {
                return new Bits(in.readAllBytes());
            }
        }
        throw new AssertionError("No object stands at " + at + " of " + file.length);
    }

    /** Numbers of so many bits each, the highest first. */
    private static final class Bits {
        private final byte[] bytes;
        private int at;

        Bits(byte[] bytes) { this.bytes = bytes; }

        long[] numbers(int... widths) {
            long[] numbers = new long[widths.length];
            for (int i = 0; i < widths.length; i++) numbers[i] = number(widths[i]);
            return numbers;
        }

        /** One item of every page; each item begins with a byte. */
        long[] each(int count, long width) {
            long[] numbers = new long[count];
            for (int i = 0; i < count; i++) numbers[i] = number((int) width);
            at = (at + 7) / 8 * 8;
            return numbers;
        }

        private long number(int width) {
            long number = 0;
            for (int i = 0; i < width; i++, at++) number = number << 1 | bytes[at / 8] >> 7 - at % 8 & 1;
            return number;
        }
    }
}
