package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.Sample;
import app.decant.pdf.Opening;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.lock.PasswordStrength;
import app.decant.pdf.lock.Protection;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineNode;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The finer choices of a publication, read back with PDFBox: bookmarks, fonts, stamps, several outputs, receipts. */
class PublishingDetailsTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final Look BODY = Look.of(TextProperty.FAMILY, "Liberation Serif").with(TextProperty.SIZE, 11.0);

    @TempDir private Path folder;

    private Receipt publish(Document document, Recipe recipe) {
        return Publisher.publish(new Order(Layout.of(document, FontCatalogue.shipped()), recipe.with(Recipe.WhenPresent.REPLACE)),
                folder.resolve("made.pdf"), WHEN, Progress.SILENT);
    }

    private static List<String> outline(PDOutlineNode node, String indent) {
        List<String> lines = new ArrayList<>();
        for (PDOutlineItem item : node.children()) {
            lines.add(indent + item.getTitle() + (item.isBold() ? " (bold)" : ""));
            lines.addAll(outline(item, indent + "  "));
        }
        return lines;
    }

    private static String text(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return new PDFTextStripper().getText(pdf);
        }
    }

    /** ISO 32000-1, table 153: titles, colours and flags of outline items. */
    @Test void makesBookmarksOfPlacesWithOwnTitlesBoldAndInColour() throws IOException {
        Document document = Sample.of(List.of(new Paragraph("Heading1", Look.PLAIN, Look.PLAIN,
                List.of(new Inline.Text("Luggage and how it is carried", Look.PLAIN))),
                new Paragraph(null, Look.PLAIN, BODY, List.of(new Inline.BookmarkPoint("_Toc1", true), new Inline.BookmarkPoint("lost_property", true),
                        new Inline.Text("What was left on board waits at the pier.", BODY), new Inline.BookmarkPoint("lost_property", false),
                        new Inline.BookmarkPoint("_Toc1", false))),
                new Paragraph("Heading1", Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("Dogs", Look.PLAIN)))));
        PdfChoices.Bookmarks wish = new PdfChoices.Bookmarks(1, 2, 1).places(true).bold(1).coloured(List.of(new Colour(0xB3541E)))
                .titled(Map.of("Luggage and how it is carried", "Luggage"));
        Receipt receipt = publish(document, Recipe.PLAIN.with(wish));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(outline(pdf.getDocumentCatalog().getDocumentOutline(), "")).containsExactly("Luggage (bold)", "  lost property", "Dogs (bold)");
            PDOutlineItem first = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
            assertThat(first.getTextColor().toRGB() & 0xFFFFFF).isEqualTo(0xB3541E);
        }
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("3 of 3 bookmarks land on their heading");
    }

    /** ISO 32000-1, 9.6.2.2: the standard fourteen need no font program; everything else is still inside. */
    @Test void leavesOutOnlyFontsThatEveryReaderHas() throws IOException {
        Document document = Sample.of(List.of(new Paragraph(null, Look.PLAIN, Look.PLAIN,
                List.of(new Inline.Text("Fares (in €) “first class”, offices \\ and fjords: é ß. ", BODY), new Inline.Text("Caladea stays. ",
                BODY.with(TextProperty.FAMILY, "Caladea")),
                new Inline.Text("Пристань", BODY.with(TextProperty.FAMILY, "Liberation Sans"))))));
        Receipt receipt = publish(document, Recipe.PLAIN.with(PdfChoices.Fonts.STANDARD_LEFT_OUT));
        assertThat(text(receipt.file())).contains("Fares (in €) “first class”, offices \\ and fjords: é ß.").contains("Пристань");
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            List<PDFont> fonts = StreamSupport.stream(pdf.getPage(0).getResources().getFontNames().spliterator(), false).map(name -> {
                try {
                    return pdf.getPage(0).getResources().getFont(name);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            }).toList();
            assertThat(fonts).filteredOn(font -> !font.isEmbedded()).extracting(PDFont::getName).containsExactly("Times-Roman");
            assertThat(fonts).filteredOn(font -> font instanceof PDType0Font).hasSize(2).allMatch(PDFont::isEmbedded);
        }
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("2 of 3 fonts inside the file, 1 left to the reader as chosen");
        assertThatThrownBy(() -> publish(document, Recipe.PLAIN.with(PdfStyle.PLAIN.with(PdfChoices.Fonts.STANDARD_LEFT_OUT).with(Standard.A_2B))))
                .hasMessageContaining("all fonts inside").hasMessageContaining("PDF/A-2b");
    }

    @Test void leavingFontsOutMakesFilesSmallerAndWholeOnesLarger() {
        long used = publish(HarbourNotice.document(), Recipe.PLAIN).bytes();
        String family = Layout.of(HarbourNotice.document(), FontCatalogue.shipped()).fonts().iterator().next().face().family();
        long one = publish(HarbourNotice.document(), Recipe.PLAIN.with(PdfStyle.PLAIN.whole(Set.of(family)))).bytes();
        long all = publish(HarbourNotice.document(), Recipe.PLAIN.with(PdfChoices.Fonts.WHOLE)).bytes();
        assertThat(one).isGreaterThan(used + 50_000).isLessThanOrEqualTo(all);
    }

    /** OpenType 1.9, OS/2, fsType bit 1: not to be embedded. */
    @Test void stopsAtRestrictedFontsOrPutsOthersInTheirPlace() throws IOException {
        FontCatalogue fonts = FontCatalogue.shipped().with(List.of(restricted("Harbour Script")));
        Document document = Sample.of(List.of(new Paragraph(null, Look.PLAIN, Look.PLAIN,
                List.of(new Inline.Text("Welcome aboard", BODY.with(TextProperty.FAMILY, "Harbour Script"))))));
        Order order = new Order(Layout.of(document, fonts), Recipe.PLAIN);
        Path file = folder.resolve("welcome.pdf");
        assertThatThrownBy(() -> Publisher.publish(order.permitted(), file, WHEN, Progress.SILENT)).isInstanceOf(DecantException.class)
                .hasMessageContaining("The licence of Harbour Script forbids");
        assertThat(file).doesNotExist();
        Receipt receipt = Publisher.publish(new Order(order.pages(), Recipe.PLAIN.with(Recipe.Restricted.REPLACE)).permitted(), file, WHEN,
                Progress.SILENT);
        assertThat(receipt.findings()).extracting(Finding::what).anyMatch(what -> what.startsWith("Harbour Script") && what.contains("Liberation Serif"));
        assertThat(text(file)).contains("Welcome aboard");
    }

    private static Face restricted(String family) throws IOException {
        byte[] file = FontCatalogue.class.getResourceAsStream("Caladea-Regular.ttf").readAllBytes();
        ByteBuffer font = ByteBuffer.wrap(file);
        int tables = font.getShort(4);
        for (int i = 0; i < tables; i++) {
            String tag = new String(file, 12 + 16 * i, 4, StandardCharsets.US_ASCII);
            if (tag.equals("OS/2")) font.putShort(font.getInt(12 + 16 * i + 8) + 8, (short) 2);
        }
        return Face.read(family, false, false, file);
    }

    @Test void stampsEveryPageWithItsNumber() throws IOException {
        List<Laid> laid = List.of(Laid.stamp("Page {page} of {pages}, {title}", Overlay.Place.BOTTOM_RIGHT), Laid.stamp("{date}", Overlay.Place.TOP_LEFT));
        Receipt receipt = publish(PassengerHandbook.document(), Recipe.PLAIN.of(new PageRange("2-4")).with(laid).with(PdfStyle.PLAIN.with(Standard.A_2A)));
        assertThat(receipt.proven()).isTrue();
        assertThat(text(receipt.file())).contains("Page 1 of 3, ", "Page 3 of 3, ").containsPattern("2026-1[01]-[0-9]{2}").doesNotContain("{");
        assertThatThrownBy(() -> publish(HarbourNotice.document(), Recipe.PLAIN.with(List.of(Laid.stamp("{pag}", Overlay.Place.TOP)))))
                .hasMessageContaining("“{pag}”").hasMessageContaining("{label}");
    }

    @Test void tellsHowFineThePicturesAre() {
        Receipt exact = publish(PassengerHandbook.document(), Recipe.PLAIN);
        Receipt coarse = publish(PassengerHandbook.document(), Recipe.PLAIN.with(PdfStyle.PLAIN.with(new Pictures(75, 72))));
        assertThat(exact.proofs()).extracting(PdfCheck.Proof::sentence).anyMatch(sentence -> sentence.matches("\\d+ pictures? of \\d+( to \\d+)? ppi"));
        assertThat(coarse.proofs()).extracting(PdfCheck.Proof::sentence).anyMatch(sentence -> sentence.matches("\\d+ pictures? of (\\d+ to )?7[0-5] ppi"));
    }

    @Test void makesSeveralOutputsTogetherUnderNamesOfTheirOwn() throws IOException {
        Recipes recipes = new Recipes(folder.resolve("recipes"));
        List<Map.Entry<String, Recipe>> wished = List.of(Map.entry("", Recipe.PLAIN), Map.entry("docx", Recipe.PLAIN.to(Target.DOCX)),
                Map.entry("For a slow line", recipes.find("For a slow line")));
        List<Path> names = Output.names(folder.resolve("Notice.pdf"), wished);
        assertThat(names).extracting(name -> name.getFileName().toString()).containsExactly("Notice.pdf", "Notice.docx", "Notice (For a slow line).pdf");
        var pages = Decant.layOut(HarbourNotice.document());
        List<Output> outputs = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) outputs.add(new Output(new Order(pages, wished.get(i).getValue()), names.get(i)));
        assertThat(Decant.publish(outputs, Progress.SILENT)).extracting(receipt -> receipt.file().getFileName().toString()).containsExactly("Notice.pdf",
                "Notice.docx", "Notice (For a slow line).pdf");
        assertThat(text(names.get(2))).isEqualTo(text(names.get(0)));
        Files.delete(names.get(0));
        assertThatThrownBy(() -> Decant.publish(outputs, Progress.SILENT)).hasMessageContaining("Notice.docx");
        assertThat(names.get(0)).as("none is written where one name is taken").doesNotExist();
    }

    @Test void keepsReceiptsAndSavesThemAsTextOrJson() throws IOException {
        Receipt receipt = publish(HarbourNotice.document(), Recipe.PLAIN);
        Path history = folder.resolve("receipts");
        ReceiptFile.keep(receipt, WHEN, history);
        ReceiptFile.keep(receipt, WHEN.plusSeconds(60), history);
        assertThat(ReceiptFile.kept(history)).hasSize(2).first().satisfies(newest -> assertThat(Files.readString(newest))
                .contains("\"when\" : \"2026-11-01T08:01:00Z\""));
        String text = Files.readString(ReceiptFile.write(List.of(receipt), WHEN, folder.resolve("receipt.txt"), Guard.NONE));
        assertThat(text).contains("made.pdf", "2 pages", "[x] Text whole and in order on every page");
        try (Stream<Path> kept = Files.list(history)) {
            assertThat(kept.map(file -> file.getFileName().toString()))
                    .allMatch(name -> name.matches("2026-1\\d-\\d\\d \\d\\d\\.\\d\\d\\.00 made\\.pdf\\.json"));
        }
    }

    /** Common practice: length before variety; repeats and rows of signs count little. */
    @Test void judgesPasswords() {
        assertThat(PasswordStrength.of("")).isEqualTo(PasswordStrength.NONE);
        assertThat(List.of("harbour", "12345678901234", "aaaaaaaaaaaaaaaa", "Ferry2026")).extracting(PasswordStrength::of).containsOnly(PasswordStrength.WEAK);
        assertThat(PasswordStrength.of("tide-Lamp4")).isEqualTo(PasswordStrength.FAIR);
        assertThat(List.of("gull lantern rope winter", "x7#Qv!2mZ@9kLp")).extracting(PasswordStrength::of).containsOnly(PasswordStrength.STRONG);
        Receipt receipt = Publisher.publish(new Order(Decant.layOut(HarbourNotice.document()),
                Recipe.PLAIN.with(new Recipe.Locking(Protection.Strength.AES_256, EnumSet.allOf(Protection.Permission.class))),
                new Recipe.Passwords("harbour", "x"), null), folder.resolve("locked.pdf"), WHEN, Progress.SILENT);
        assertThat(receipt.findings()).extracting(Finding::what).anyMatch(what -> what.contains("quickly guessed"));
    }

    @Test void changesAnyFieldOfARecipeByItsName() {
        Recipe changed = RecipeFile.with(RecipeFile.with(RecipeFile.with(Recipe.PLAIN, "opening.zoom", "page-width"), "bookmarks.titles.Luggage", "Bags"),
                "opening.printing.copies", "3");
        assertThat(changed.style().opening().zoom()).isEqualTo(Opening.PAGE_WIDTH);
        assertThat(changed.style().bookmarks().titles()).containsEntry("Luggage", "Bags");
        assertThat(changed.style().opening().printing().copies()).isEqualTo(3);
        assertThatThrownBy(() -> RecipeFile.with(Recipe.PLAIN, "opening.zom", "2")).hasMessageContaining("“opening.zom”");
    }
}
