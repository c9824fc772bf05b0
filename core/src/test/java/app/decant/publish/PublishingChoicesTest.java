package app.decant.publish;

import app.decant.document.TrackedChanges;
import app.decant.format.Marked;
import app.decant.sheet.SheetChoice;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.format.text.PlainText;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.Dates;
import app.decant.pdf.Opening;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.lock.Protection.Permission;
import app.decant.pdf.lock.Protection.Strength;
import app.decant.pdf.lock.Protection;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Each choice of a publication looked up in the written file with PDFBox, which is not the code that wrote it. */
class PublishingChoicesTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    /** ITU-T T.81, Annex K, table K.1: luminance, in zigzag order as a DQT segment holds it. */
    private static final int[] K1 = {16, 11, 12, 14, 12, 10, 16, 14, 13, 14, 18, 17, 16, 19, 24, 40, 26, 24, 22, 22, 24, 49, 35, 37, 29, 40, 58, 51, 61, 60,
            57, 51, 56, 55, 64, 72, 92, 78, 64, 68, 87, 69, 55, 56, 80, 109, 81, 87, 95, 98, 103, 104, 103, 62, 77, 113, 121, 112, 100, 120, 92, 101, 103, 99};

    @TempDir private Path folder;

    private static PagedDocument pages(Document document) { return Layout.of(document, FontCatalogue.shipped()); }

    private Receipt publish(Document document, Recipe recipe, Recipe.Passwords passwords) {
        return Publisher.publish(new Order(pages(document), recipe.with(Recipe.WhenPresent.REPLACE), passwords, null), folder.resolve("made.pdf"), WHEN,
                Progress.SILENT);
    }

    private Receipt publish(Document document, Recipe recipe) { return publish(document, recipe, Recipe.Passwords.NONE); }

    /** ISO 32000-1, 7.6.3: with the user's password what table 22 grants, with the owner's everything, with a wrong one nothing. */
    @ParameterizedTest
    @EnumSource(value = Strength.class, mode = EnumSource.Mode.EXCLUDE, names = "NONE")
    void locksAsChosen(Strength strength) throws IOException {
        Set<Permission> allowed = EnumSet.of(Permission.PRINT, Permission.READ_ALOUD, Permission.FILL_FORMS);
        Receipt receipt = publish(HarbourNotice.document(), Recipe.PLAIN.with(new Recipe.Locking(strength, allowed)),
                new Recipe.Passwords("harbour", "master"));
        assertThat(receipt.proven()).isTrue();
        assertThatThrownBy(() -> Loader.loadPDF(receipt.file().toFile())).isInstanceOf(InvalidPasswordException.class);
        assertThatThrownBy(() -> Loader.loadPDF(receipt.file().toFile(), "Harbour")).isInstanceOf(InvalidPasswordException.class);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile(), "harbour")) {
            AccessPermission access = pdf.getCurrentAccessPermission();
            assertThat(List.of(access.canPrint(), access.canFillInForm(), access.canExtractForAccessibility())).containsOnly(true);
            assertThat(List.of(access.canPrintFaithful(), access.canModify(), access.canExtractContent(), access.canModifyAnnotations(),
                    access.canAssembleDocument(), access.isOwnerPermission())).containsOnly(false);
            assertThat(pdf.getEncryption().getLength()).isGreaterThanOrEqualTo(strength.bits());
        }
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile(), "master")) {
            assertThat(pdf.getCurrentAccessPermission().isOwnerPermission()).isTrue();
        }
        assertThat(receipt.findings().stream().anyMatch(finding -> finding.what().contains("weak"))).isEqualTo(strength.isWeak());
    }

    /**
     * ISO 32000-2, 7.6.4.2: what is said about the document can be read without a password, and nothing else; {@code pdfinfo} and {@code qpdf} open it where
     * they are installed.
     */
    @ParameterizedTest
    @EnumSource(value = Strength.class, names = {"AES_128", "AES_256"})
    void leavesFactsReadableWhereWished(Strength strength) throws Exception {
        Recipe.Locking locking = new Recipe.Locking(strength, EnumSet.of(Permission.PRINT), true);
        for (boolean linearized : new boolean[] {false, true}) {
            Receipt receipt = publish(PassengerHandbook.document(), Recipe.PLAIN.with(locking).with(PdfStyle.PLAIN.linearized(linearized).compressed(false)),
                    new Recipe.Passwords("harbour", "master"));
            assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("Facts readable without a password, as chosen");
            String raw = Files.readString(receipt.file(), StandardCharsets.ISO_8859_1);
            assertThat(raw).contains("<dc:title>").contains("Passenger handbook</").doesNotContain("beginbfchar");
            for (String password : List.of("harbour", "master")) {
                try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile(), password)) {
                    assertThat(new PDFTextStripper().getText(pdf)).contains("Passenger handbook");
                }
                said("qpdf", "--password=" + password, "--check", receipt.file().toString()).ifPresent(told -> assertThat(told)
                        .contains("No syntax or stream encoding errors").doesNotContain("WARNING"));
            }
        }
        assertThatThrownBy(() -> publish(HarbourNotice.document(), Recipe.PLAIN.with(new Recipe.Locking(Strength.RC4_128, EnumSet.of(Permission.PRINT),
                true)))).isInstanceOf(DecantException.class).hasMessageContaining("RC4").hasMessageContaining("facts");
    }

    /** What another program says of a file; empty where it is not installed. */
    private static Optional<String> said(String... command) throws Exception {
        Process process;
        try {
            process = new ProcessBuilder(command).redirectErrorStream(true).start();
        } catch (IOException e) {
            return Optional.empty();
        }
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return Optional.of(said);
    }

    @Test void locksAgainstChangeWithoutAskingForAPassword() throws IOException {
        Receipt receipt = publish(HarbourNotice.document(), Recipe.PLAIN.with(new Recipe.Locking(Strength.AES_256, EnumSet.of(Permission.PRINT))));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getCurrentAccessPermission().canModify()).isFalse();
            assertThat(pdf.getCurrentAccessPermission().canPrint()).isTrue();
        }
    }

    /** RFC 4013, 3: SASLprep makes both spellings of the letter one. */
    @Test void takesPasswordsInAnyScript() throws IOException {
        Receipt receipt = publish(HarbourNotice.document(), Recipe.PLAIN.with(new Recipe.Locking(Strength.AES_256, EnumSet.allOf(Permission.class))),
                new Recipe.Passwords("пристань\u00E9", "x"));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile(), "пристаньe\u0301")) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(2);
        }
    }

    @Test void tellsNoPasswordAnywhere() {
        Recipe recipe = Recipe.PLAIN.with(new Recipe.Locking(Strength.AES_256, EnumSet.allOf(Permission.class)));
        Receipt receipt = publish(HarbourNotice.document(), recipe, new Recipe.Passwords("verysecret", "evenmoreso"));
        assertThat(receipt.toString() + RecipeFile.write(recipe) + new Recipe.Passwords("verysecret", "evenmoreso") + new Protection(Strength.AES_256,
                "verysecret", "evenmoreso", Set.of(), false)).doesNotContain("verysecret").doesNotContain("evenmoreso");
    }

    @Test void refusesWhatContradictsItselfNamingBoth() {
        Recipe.Locking locked = new Recipe.Locking(Strength.AES_128, EnumSet.allOf(Permission.class));
        refused(Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.A_2B)).with(locked), "PDF/A-2b must open without a password");
        refused(Recipe.PLAIN.with(PdfStyle.PLAIN.version(1.4)).with(locked), "PDF 1.4 does not know this encryption");
        refused(Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.A_1B)).with(List.of(Laid.watermark("DRAFT"))), "nothing that shines through");
        refused(Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.A_1B).version(1.7)), "PDF/A-1b is PDF 1.4");
        assertThatThrownBy(() -> publish(HarbourNotice.document(), Recipe.PLAIN.with(locked), new Recipe.Passwords("пристань", "")))
                .isInstanceOf(DecantException.class).hasMessageContaining("letters that this strength can't carry");
        assertThatThrownBy(() -> publish(HarbourNotice.document(), Recipe.PLAIN.with(locked), new Recipe.Passwords("x".repeat(33), "")))
                .isInstanceOf(DecantException.class).hasMessageContaining("33 bytes");
        assertThatThrownBy(() -> publish(HarbourNotice.document(), Recipe.PLAIN.with(locked), new Recipe.Passwords("same", "same")))
                .isInstanceOf(DecantException.class).hasMessageContaining("Choose two");
        assertThat(folder.resolve("made.pdf")).doesNotExist();
    }

    private void refused(Recipe recipe, String sentence) {
        assertThatThrownBy(() -> publish(HarbourNotice.document(), recipe)).isInstanceOf(DecantException.class).hasMessageContaining(sentence)
                .extracting(e -> ((DecantException) e).kind()).isEqualTo(DecantException.Kind.WRONG_CALL);
    }

    @Test void opensAsWished() throws IOException {
        Opening opening = new Opening(3, Opening.WHOLE_PAGE, Opening.Arrangement.SPREADS_FROM_COVER, Opening.Panel.PAGE_PICTURES, false, true, true,
                new Opening.Printing(2, Opening.Sides.BOTH_LIKE_A_BOOK, true));
        Receipt receipt = publish(PassengerHandbook.document(), Recipe.PLAIN.with(PdfStyle.PLAIN.with(opening)));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            COSArray action = (COSArray) pdf.getDocumentCatalog().getCOSObject().getDictionaryObject(COSName.OPEN_ACTION);
            assertThat(action.getObject(0)).isEqualTo(pdf.getPage(2).getCOSObject());
            assertThat(action.getName(1)).isEqualTo("Fit");
            assertThat(pdf.getDocumentCatalog().getPageLayout().stringValue()).isEqualTo("TwoPageRight");
            assertThat(pdf.getDocumentCatalog().getPageMode().stringValue()).isEqualTo("UseThumbs");
            assertThat(pdf.getDocumentCatalog().getViewerPreferences().hideToolbar()).isTrue();
            assertThat(pdf.getDocumentCatalog().getViewerPreferences().displayDocTitle()).isTrue();
            assertThat(pdf.getDocumentCatalog().getViewerPreferences().getPrintScaling()).isEqualTo("None");
            assertThat(pdf.getDocumentCatalog().getViewerPreferences().getDuplex()).isEqualTo("DuplexFlipLongEdge");
            assertThat(pdf.getDocumentCatalog().getViewerPreferences().getCOSObject().getInt("NumCopies")).isEqualTo(2);
        }
    }

    @Test void writesFactsAnewOrStripsThem() throws IOException {
        Receipt receipt = publish(PassengerHandbook.document(), Recipe.PLAIN.with(new FactsRule(false, "Handbook & more", null, "", "ferry, fares", "en-GB")));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Handbook & more");
            assertThat(pdf.getDocumentInformation().getAuthor()).isNull();
            assertThat(pdf.getDocumentInformation().getKeywords()).isEqualTo("ferry, fares");
            assertThat(pdf.getDocumentCatalog().getLanguage()).isEqualTo("en-GB");
        }
        Receipt stripped = publish(PassengerHandbook.document(), Recipe.PLAIN.with(FactsRule.STRIP));
        try (PDDocument pdf = Loader.loadPDF(stripped.file().toFile())) {
            assertThat(pdf.getDocumentInformation().getTitle()).isNull();
            assertThat(pdf.getDocumentInformation().getAuthor()).isNull();
            assertThat(new String(pdf.getDocumentCatalog().getMetadata().toByteArray(), StandardCharsets.UTF_8)).doesNotContain("dc:title")
                    .doesNotContain("dc:creator");
        }
    }

    /**
     * ISO 32000-1, 14.3: both places say the same; ISO 19005-2, 6.6.2.3: an archive copy explains fields of one's own (judged by veraPDF before the file gets
     * its name).
     */
    @Test void writesFieldsOfOnesOwnAndTheTimesAsWished() throws IOException {
        Instant made = Instant.parse("2025-03-01T09:30:00Z");
        Document notice = HarbourNotice.document();
        Facts facts = notice.facts();
        notice = notice.withFacts(new Facts(facts.title(), facts.subject(), facts.author(), facts.keywords(), facts.language(), made,
                made, Map.of("Office", "Pier 2", "Drawer", "12")));
        FactsRule rule = new FactsRule(false, null, null, null, null, null, Dates.OF_THE_DOCUMENT, Map.of("File number", "HO 12/6",
                "Drawer", "", "Title", "not this way"));
        for (Standard standard : List.of(Standard.NONE, Standard.A_1B, Standard.A_2A_UA_1)) {
            Receipt receipt = publish(notice, Recipe.PLAIN.with(rule).with(PdfStyle.PLAIN.with(standard)));
            try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
                assertThat(pdf.getDocumentInformation().getCustomMetadataValue("File number")).isEqualTo("HO 12/6");
                assertThat(pdf.getDocumentInformation().getCustomMetadataValue("Office")).isEqualTo("Pier 2");
                assertThat(pdf.getDocumentInformation().getCustomMetadataValue("Drawer")).isNull();
                assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo(facts.title());
                assertThat(pdf.getDocumentInformation().getCreationDate().toInstant()).isEqualTo(made);
                assertThat(new String(pdf.getDocumentCatalog().getMetadata().toByteArray(), StandardCharsets.UTF_8))
                        .contains("<pdfx:File_number>HO 12/6</pdfx:File_number>", "<xmp:CreateDate>2025-03-01T09:30:00Z");
            }
        }
        FactsRule silent = new FactsRule(true, null, null, null, null, null, Dates.NONE, Map.of());
        Receipt receipt = publish(notice, Recipe.PLAIN.with(silent).with(PdfStyle.PLAIN.with(Standard.A_2B)));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentInformation().getCreationDate()).isNull();
            assertThat(pdf.getDocumentInformation().getMetadataKeys()).containsExactlyInAnyOrder("Producer", "Creator");
        }
    }

    @Test void laysAWatermarkUnderChosenPagesWithoutTouchingTheText() throws IOException {
        Laid mark = new Laid("DRAFT", false, true, new PageRange("2"), 40, 0.2, 0.7, Overlay.Place.MIDDLE);
        Receipt receipt = publish(HarbourNotice.document(), Recipe.PLAIN.with(List.of(mark)));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(text(pdf, 1)).doesNotContain("DRAFT");
            assertThat(text(pdf, 2)).contains("DRAFT");
            assertThat(pdf.getPage(1).getResources().getExtGStateNames()).hasSize(1);
            assertThat(pdf.getPage(1).getResources().getExtGState(pdf.getPage(1).getResources().getExtGStateNames().iterator().next())
                    .getNonStrokingAlphaConstant()).isEqualTo(0.2f);
        }
    }

    @Test void refusesALetterheadThatIsLocked() {
        Receipt locked = publish(HarbourNotice.document(), Recipe.PLAIN.with(new Recipe.Locking(Strength.AES_256, Set.of())),
                new Recipe.Passwords("shut", "x"));
        assertThatThrownBy(() -> Publisher.publish(new Order(pages(HarbourNotice.document()), Recipe.PLAIN.with(List.of(Laid.letterhead(locked.file())))),
                folder.resolve("other.pdf"), WHEN, Progress.SILENT))
                .isInstanceOf(DecantException.class).hasMessageContaining("made.pdf can't be laid on the pages");
    }

    private static String text(PDDocument pdf, int page) throws IOException {
        PDFTextStripper stripper = new PDFTextStripper();
        stripper.setStartPage(page);
        stripper.setEndPage(page);
        return stripper.getText(pdf);
    }

    @Test void makesAFileOfEachPageNamedByAPattern() {
        Recipe recipe = Recipe.PLAIN.of(new PageRange("3-5")).split("{name} {nn}, {heading}");
        List<Receipt> receipts = Publisher.publishEach(new Order(pages(PassengerHandbook.document()), recipe), folder.resolve("handbook.pdf"), WHEN,
                Progress.SILENT);
        assertThat(receipts).extracting(receipt -> receipt.file().getFileName().toString()).startsWith("handbook 01, 1.2 The three lines.pdf").hasSize(3)
                .doesNotHaveDuplicates();
        assertThat(receipts).allSatisfy(receipt -> assertThat(receipt.pages()).isEqualTo(1));
        assertThatThrownBy(() -> Publisher.publishEach(new Order(pages(PassengerHandbook.document()), recipe.split("{name}")), folder.resolve("x.pdf"), WHEN,
                Progress.SILENT)).hasMessageContaining("Put {n} into it");
        assertThatThrownBy(() -> Publisher.publishEach(new Order(pages(PassengerHandbook.document()), recipe.split("{colour}")), folder.resolve("x.pdf"),
                WHEN, Progress.SILENT)).hasMessageContaining("{colour}");
    }

    @Test void writesNoneOfManyFilesWhereOneNameIsTaken() throws IOException {
        Path own = Files.createDirectory(folder.resolve("many"));
        Files.writeString(own.resolve("notice 2.pdf"), "somebody's");
        Recipe recipe = Recipe.PLAIN.split("{name} {n}");
        assertThatThrownBy(() -> Decant.publish(PassengerHandbook.document(), recipe.of(new PageRange("1-3")), own.resolve("notice.pdf")))
                .hasMessageContaining("notice 2.pdf is already in many");
        try (Stream<Path> there = Files.list(own)) {
            assertThat(there).extracting(file -> file.getFileName().toString()).containsExactly("notice 2.pdf");
        }
        Receipt first = Decant.publish(PassengerHandbook.document(), recipe.of(new PageRange("1-3")).with(Recipe.WhenPresent.KEEP_BOTH),
                own.resolve("notice.pdf"));
        assertThat(first.file()).hasFileName("notice 1.pdf");
        assertThat(first.findings()).extracting(Finding::what).contains("2 more files stand beside this one, a page each.");
        assertThat(own.resolve("notice 2.pdf")).hasContent("somebody's");
        assertThat(own.resolve("notice 2 2.pdf")).exists();
    }

    @Test void carriesItsSourceInside() throws IOException {
        Path source = folder.resolve("source.docx");
        Files.writeString(source, "a document");
        Order order = new Order(pages(HarbourNotice.document()), Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.A_3B)).attaching(true),
                Recipe.Passwords.NONE, source);
        Receipt receipt = Publisher.publish(order, folder.resolve("carrier.pdf"), WHEN, Progress.SILENT);
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(pdf.getDocumentCatalog().getNames().getEmbeddedFiles().getNames().get("source.docx").getEmbeddedFile().toByteArray())
                    .isEqualTo(Files.readAllBytes(source));
        }
        assertThatThrownBy(() -> Publisher.publish(new Order(order.pages(), order.recipe().with(PdfStyle.PLAIN.with(Standard.A_2B)), Recipe.Passwords.NONE,
                source), folder.resolve("y.pdf"), WHEN, Progress.SILENT)).hasMessageContaining("no attached files");
    }

    private static Document withPicture(BufferedImage pixels, double width) throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(pixels, "png", png);
        Picture picture = new Picture(new Image("image/png", png.toByteArray()), width, width * pixels.getHeight() / pixels.getWidth(), "The pier");
        return HarbourNotice.document().withSections(List.of(HarbourNotice.document().sections().get(0)
                .withBlocks(List.of(new Paragraph("Normal", Look.PLAIN, Look.PLAIN, List.of(new Inline.InlinePicture(picture, Look.PLAIN)))))));
    }

    private static BufferedImage photograph(int width, int height) {
        BufferedImage pixels = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(3);
        for (int y = 0; y < height; y++)
            for (int x = 0; x < width; x++) pixels.setRGB(x, y, new Color(x * 255 / width, y * 255 / height, Math.min(255, 128 + random.nextInt(40))).getRGB());
        return pixels;
    }

    private List<PDImageXObject> images(Document document, Pictures pictures) throws IOException {
        Receipt receipt = publish(document, Recipe.PLAIN.with(PdfStyle.PLAIN.with(pictures)));
        List<PDImageXObject> images = new ArrayList<>();
        PDDocument pdf = Loader.loadPDF(Files.readAllBytes(receipt.file()));
        for (COSName name : pdf.getPage(0).getResources().getXObjectNames())
            if (pdf.getPage(0).getResources().getXObject(name) instanceof PDImageXObject image) images.add(image);
        return images;
    }

    /**
     * The luminance table of the written JPEG is that of ITU-T T.81, table K.1, scaled as the quality asks (common practice: 5000/q below 50, 200-2q above).
     */
    @ParameterizedTest
    @ValueSource(ints = {25, 50, 75, 90})
    void compressesPhotographsByTheTablesOfTheStandard(int quality) throws IOException {
        PDImageXObject image = images(withPicture(photograph(600, 400), 400), new Pictures(quality, 0)).get(0);
        byte[] jpeg;
        try (InputStream in = image.createInputStream(List.of("DCTDecode"))) {
            jpeg = in.readAllBytes();
        }
        int at = 0;
        while (!((jpeg[at] & 255) == 0xFF && (jpeg[at + 1] & 255) == 0xDB)) at++;
        double scale = (quality < 50 ? 5000.0 / quality : 200 - 2 * quality) / 100;
        for (int i = 0; i < 64; i++)
            assertThat((double) (jpeg[at + 5 + i] & 255)).as("entry " + i).isCloseTo(Math.max(1, Math.min(255, K1[i] * scale)),
                    Offset.offset(1.0));
    }

    @Test void makesPicturesCoarserOnlyWhereTheyAreFiner() throws IOException {
        // 1,200 pixels on 288 points are 300 pixels an inch.
        assertThat(images(withPicture(photograph(1200, 800), 288), new Pictures(80, 150)).get(0).getWidth()).isEqualTo(600);
        assertThat(images(withPicture(photograph(1200, 800), 288), new Pictures(80, 290)).get(0).getWidth()).as("nearly as wished").isEqualTo(1200);
        assertThat(images(withPicture(photograph(300, 200), 288), new Pictures(80, 150)).get(0).getWidth()).as("coarser already").isEqualTo(300);
    }

    /** Each kind of picture by a resolution of its own: colour, grey, and ink of one bit, which stays black and white. */
    @Test void makesEachKindOfPictureAsFineAsWished() throws IOException {
        Pictures wish = new Pictures(80, 75, 150, 100);
        BufferedImage colour = photograph(1200, 800);
        BufferedImage grey = new BufferedImage(1200, 800, BufferedImage.TYPE_BYTE_GRAY);
        grey.createGraphics().drawImage(colour, 0, 0, null);
        BufferedImage ink = new BufferedImage(1200, 800, BufferedImage.TYPE_BYTE_BINARY);
        ink.createGraphics().drawImage(colour, 0, 0, null);
        assertThat(images(withPicture(colour, 288), wish).get(0).getWidth()).isEqualTo(300);
        PDImageXObject greyer = images(withPicture(grey, 288), wish).get(0);
        assertThat(greyer.getWidth()).isEqualTo(600);
        assertThat(greyer.getColorSpace().getName()).isEqualTo("DeviceGray");
        PDImageXObject inked = images(withPicture(ink, 288), wish).get(0);
        assertThat(inked.getWidth()).isEqualTo(400);
        assertThat(inked.getBitsPerComponent()).isEqualTo(1);
        assertThat(images(withPicture(ink, 288), new Pictures(80, 75)).get(0).getWidth()).as("ink keeps its fineness where nothing is said of it")
                .isEqualTo(1200);
    }

    @Test void keepsLineArtSharpAndNeverLetsAPictureGrow() throws IOException {
        BufferedImage plan = new BufferedImage(800, 600, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = plan.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, 800, 600);
        graphics.setColor(Color.BLUE);
        for (int i = 0; i < 40; i++) graphics.drawLine(i * 20, 0, 800 - i * 20, 600);
        graphics.dispose();
        PDImageXObject exact = images(withPicture(plan, 400), Pictures.EXACT).get(0);
        PDImageXObject small = images(withPicture(plan, 400), new Pictures(40, 0)).get(0);
        assertThat(String.valueOf(small.getCOSObject().getFilters())).contains("FlateDecode");
        assertThat(small.getCOSObject().getLength()).isLessThanOrEqualTo(exact.getCOSObject().getLength());
        BufferedImage ink = new BufferedImage(1600, 1200, BufferedImage.TYPE_BYTE_BINARY);
        Random random = new Random(5);
        for (int i = 0; i < 4000; i++) ink.setRGB(random.nextInt(1600), random.nextInt(1200), 0xFFFFFF);
        PDImageXObject fax = images(withPicture(ink, 400), new Pictures(50, 100)).get(0);
        assertThat(String.valueOf(fax.getCOSObject().getFilters())).containsAnyOf("CCITTFaxDecode", "FlateDecode");
        assertThat(fax.getWidth()).isEqualTo(1600);
    }

    @Test void estimatesTheSizeWithinTenPercent() throws IOException {
        for (Recipe recipe : List.of(Recipe.PLAIN, new Recipes(folder).find("For a slow line"), Recipe.PLAIN.of(new PageRange("3-6")))) {
            long expected = Publisher.estimate(new Order(pages(PassengerHandbook.document()), recipe), Progress.SILENT);
            long real = publish(PassengerHandbook.document(), recipe).bytes();
            assertThat((double) expected / real).isBetween(0.9, 1.1);
        }
    }

    @Test void smallerRecipesMakeSmallerFiles() {
        long before = Long.MAX_VALUE;
        for (String name : List.of("Finest", "As it is", "For the print room", "To send by mail", "For a slow line")) {
            long bytes = publish(PassengerHandbook.document(), new Recipes(folder).find(name)).bytes();
            assertThat(bytes).as(name).isLessThanOrEqualTo(before);
            before = bytes;
        }
    }

    /** What PDFBox reads on the pages for each choice of what becomes of tracked changes; the receipt says it, and that comments have no place. */
    @Test void changesArePublishedAsWished() throws IOException {
        Map<Recipe.Changes, String> first = Map.of(Recipe.Changes.AUTOMATIC, "The ferry leaves at eight.", Recipe.Changes.ACCEPTED,
                "The ferry leaves at eight.", Recipe.Changes.REJECTED, "The ferry leaves at seven.", Recipe.Changes.MARKED, "The ferry leaves at seveneight.");
        for (Map.Entry<Recipe.Changes, String> wish : first.entrySet()) {
            Path file = folder.resolve(wish.getKey() + ".pdf");
            Receipt receipt = Decant.publish(Marked.changed(), Recipe.PLAIN.with(wish.getKey()), file);
            try (PDDocument made = Loader.loadPDF(file.toFile())) {
                assertThat(new PDFTextStripper().getText(made)).startsWith(wish.getValue());
            }
            boolean marked = wish.getKey() == Recipe.Changes.MARKED;
            assertThat(receipt.findings()).extracting(Finding::what).filteredOn(what -> what.contains("tracked changes")).hasSize(marked ? 0 : 1);
        }
        Receipt receipt = Decant.publish(Marked.remarked(), Recipe.PLAIN, folder.resolve("remarked.pdf"));
        assertThat(receipt.findings()).extracting(Finding::what).contains("3 comments are left out.");
        Receipt text = Decant.publish(Marked.changed(), Recipe.PLAIN.as(Target.TXT), folder.resolve("changed.txt"));
        assertThat(Files.readString(text.file())).startsWith("The ferry leaves at eight.");
        Receipt word = Decant.publish(Marked.changed(), Recipe.PLAIN.as(Target.DOCX), folder.resolve("changed.docx"));
        assertThat(TrackedChanges.count(Decant.open(word.file()).document())).isEqualTo(TrackedChanges.count(Marked.changed()));
    }

    @Test void keepsRecipesAndRefusesUnknownFieldsByName() {
        Recipes recipes = new Recipes(folder.resolve("recipes"));
        Recipe own = new Recipe(Target.PDF, new PageRange("1-3"), new PdfStyle(new PdfChoices.Bookmarks(2, 4, 3, true, 1,
                List.of(new Colour(0x1F4E79)), Map.of("Luggage", "Bags"), true), PdfChoices.Fonts.WHOLE,
                Set.of("Carlito"), new Pictures(60, 120, 200, 600), false,
                new Opening(2, 1.25, Opening.Arrangement.ONE_COLUMN, Opening.Panel.NONE, true, true, false, new Opening.Printing(3, Opening.Sides.ONE,
                        true)), false, Standard.A_3B, 1.7, true, true, true), new Recipe.Locking(Strength.AES_128, EnumSet.of(Permission.COPY)),
                        List.of(Laid.watermark("Copy")),
                new FactsRule(true, "T", "S", "A", "K", "fr", Dates.NONE, Map.of("File number", "HO 12/6")), "{name} {n}", true,
                        Recipe.Links.FOUND, Set.of("ftp"), Recipe.Restricted.REPLACE, Recipe.OfficeFonts.WHOLE,
                        new PlainText(StandardCharsets.UTF_16, true, PlainText.LineEnds.CRLF,
                        72), true, Recipe.Changes.REJECTED, new SheetChoice(List.of("Fares"), List.of("Fares!B2:G40"), true, new SheetChoice.Fit(2, 0, 0)),
                                Recipe.WhenPresent.KEEP_BOTH);
        recipes.keep("For the archive", own);
        assertThat(recipes.find("for the archive")).isEqualTo(own);
        assertThat(recipes.names()).contains("For a slow line", "For the archive");
        assertThatThrownBy(() -> RecipeFile.read("{\"decantRecipe\": 1, \"bookmark\": {}}", "mine.json")).hasMessageContaining("“bookmark”")
                .hasMessageContaining("bookmarks");
        assertThatThrownBy(() -> RecipeFile.read("{\"decantRecipe\": 1, \"opening\": {\"zom\": 2}}", "mine.json")).hasMessageContaining("“opening.zom”");
        assertThatThrownBy(() -> RecipeFile.read("{\"decantRecipe\": 1, \"pictures\": {\"quality\": 400}}", "mine.json")).hasMessageContaining("“400”");
        assertThatThrownBy(() -> RecipeFile.read("{\"decantRecipe\": 7}", "mine.json")).hasMessageContaining("version 7");
        assertThatThrownBy(() -> RecipeFile.read("not json", "mine.json")).hasMessageContaining("not written in JSON");
        assertThatThrownBy(() -> RecipeFile.read("{\"decantRecipe\": 1} and more", "mine.json")).hasMessageContaining("not written in JSON");
        assertThatThrownBy(() -> RecipeFile.read("{\"decantRecipe\": 1, \"tagged\": true, \"tagged\": false}", "mine.json"))
                .hasMessageContaining("a field is there twice");
        for (String wrong : List.of("\"locking\": \"aes-256\"", "\"locking\": true", "\"locking\": {\"strength\": 256}",
                "\"locking\": {\"allow\": \"none\"}", "\"locking\": null", "\"pictures\": {\"quality\": 0}", "\"version\": 9.9", "\"tagged\": \"no\"",
                "\"to\": \"papyrus\"", "\"opening\": {\"page\": -1}", "\"opening\": {\"page\": 1.5}", "\"laid\": [{\"words\": \"x\", \"file\": \"y\"}]",
                        "\"laid\": [{}]", "\"laid\": [{\"words\": \"x\", \"opacity\": 7}]", "\"bookmarks\": \"some\"", "\"bookmarks\": {\"from\": \"1\"}",
                        "\"wholeFonts\": \"Carlito\"",
                "\"facts\": {\"strip\": 1}", "\"addresses\": [\"JavaScript:\"]")) {
            String field = wrong.replaceAll("^\"(\\w+)\".*", "$1");
            assertThatThrownBy(() -> RecipeFile.read("{\"decantRecipe\": 1, " + wrong + "}", "mine.json")).as(wrong).isInstanceOf(DecantException.class)
                    .hasMessageContaining(field.equals("laid") && wrong.matches(".*(\\{}|file).*") ? "either" : "“" + field);
        }
        assertThatThrownBy(() -> recipes.keep("For a slow line", own)).hasMessageContaining("ships with Decant");
        assertThatThrownBy(() -> recipes.find("Nothing")).hasMessageContaining("There is no recipe");
    }

    /**
     * ISO 32000-1, Annex F: the first page's objects stand first, and the dictionary says how long the file is; checked by {@code qpdf} as well where it is
     * installed.
     */
    @Test void ordersFilesForQuickDisplay() throws Exception {
        for (Opening.Panel panel : List.of(Opening.Panel.BOOKMARKS, Opening.Panel.NONE)) {
            Opening opening = Opening.PLAIN.with(panel);
            Receipt receipt = publish(PassengerHandbook.document(), Recipe.PLAIN.with(PdfStyle.PLAIN.linearized(true).with(opening)));
            String head = Files.readString(receipt.file(), StandardCharsets.ISO_8859_1).substring(0, 400);
            assertThat(head).contains("/Linearized 1").containsPattern("/L " + receipt.bytes() + "\\s").contains("/N 13");
            said("qpdf", "--check-linearization", receipt.file().toString()).ifPresent(told -> assertThat(told).contains("no linearization errors")
                    .doesNotContain("WARNING"));
        }
    }

    /** Both at once: ordered for quick display, and locked by each strength. */
    @ParameterizedTest
    @EnumSource(value = Strength.class, mode = EnumSource.Mode.EXCLUDE, names = "NONE")
    void ordersLockedFilesForQuickDisplay(Strength strength) throws Exception {
        Recipe.Locking locking = new Recipe.Locking(strength, EnumSet.of(Permission.PRINT));
        Receipt receipt = publish(PassengerHandbook.document(), Recipe.PLAIN.with(PdfStyle.PLAIN.linearized(true)).with(locking),
                new Recipe.Passwords("harbour", "master"));
        assertThat(receipt.proven()).isTrue();
        assertThatThrownBy(() -> Loader.loadPDF(receipt.file().toFile())).isInstanceOf(InvalidPasswordException.class);
        said("qpdf", "--password=harbour", "--check", receipt.file().toString()).ifPresent(told -> assertThat(told).contains("File is linearized")
                .doesNotContain("WARNING"));
    }

    @Test void tellsOnTheReceiptWhatWasChosen() {
        Receipt receipt = publish(HarbourNotice.document(), Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.A_2A_UA_1)));
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("PDF/A-2a and PDF/UA-1: all machine rules kept",
                "Tells its structure to screen readers", "Title and facts in both places, agreeing");
    }
}
