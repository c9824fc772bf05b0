package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfPages;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.pdf.check.KeptCheck;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.lock.Protection;
import app.decant.picture.PixelRows;
import app.decant.publish.FactsRule;
import app.decant.publish.Laid;
import app.decant.publish.Order;
import app.decant.publish.PageRange;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
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
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A PDF stays itself: what each choice of a recipe does to pages that are kept, and all that it leaves alone. Read back by PDFBox. */
class KeptPagesTest {
    @TempDir private Path root;
    private Path source;
    private byte[] original;

    @BeforeEach void file() throws IOException {
        original = FullFile.bytes();
        source = root.resolve("brochure.pdf");
        Files.write(source, original);
    }

    private Receipt publish(Recipe recipe) { return publish(source, recipe, Recipe.Passwords.NONE); }

    private Receipt publish(Path from, Recipe recipe, Recipe.Passwords passwords) {
        Intake intake = new Intake(from, null);
        return Decant.publish(new Order(intake.pages(recipe, Progress.SILENT), recipe, passwords, from), root.resolve("result.pdf"), Progress.SILENT).get(0);
    }

    private static List<String> told(Receipt receipt) { return receipt.findings().stream().map(Finding::what).toList(); }

    private static List<String> proven(Receipt receipt) { return receipt.proofs().stream().map(PdfCheck.Proof::sentence).toList(); }

    private static byte[] stream(PDDocument pdf, int page) throws IOException {
        try (InputStream in = ((COSStream) pdf.getPage(page).getCOSObject().getDictionaryObject(COSName.CONTENTS)).createRawInputStream()) {
            return in.readAllBytes();
        }
    }

    private static List<String> bookmarks(Iterable<PDOutlineItem> items, String indent) {
        List<String> found = new ArrayList<>();
        for (PDOutlineItem item : items) {
            found.add(indent + item.getTitle());
            found.addAll(bookmarks(item.children(), indent + " "));
        }
        return found;
    }

    private static String text(PDDocument pdf) throws IOException { return new PDFTextStripper().getText(pdf); }

    /** Everything in the file as one text, streams unpacked. */
    private static String everything(PDDocument pdf) throws IOException {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (COSObjectKey key : pdf.getDocument().getXrefTable().keySet()) {
            var object = pdf.getDocument().getObjectFromPool(key).getObject();
            if (object instanceof COSStream stream) {
                try (InputStream in = stream.createInputStream()) {
                    in.transferTo(all);
                }
            }
            all.write(String.valueOf(object).getBytes(StandardCharsets.UTF_8));
        }
        return all.toString(StandardCharsets.ISO_8859_1);
    }

    @Test void aLockLeavesAllElseAlone() throws IOException {
        Recipe recipe = Recipe.PLAIN.with(new Recipe.Locking(Protection.Strength.AES_256, EnumSet.allOf(Protection.Permission.class)));
        Receipt receipt = publish(source, recipe, new Recipe.Passwords("four plain words here", "owner of this"));
        assertThat(receipt.proven()).isTrue();
        assertThat(proven(receipt)).contains("All 4 pages are the original's own, byte for byte", "All 4 bookmarks", "1 attached file", "Its layers",
                "2 links, 2 fields, 1 note on its pages, as there were");
        try (PDDocument before = Loader.loadPDF(original); PDDocument after = Loader.loadPDF(receipt.file().toFile(), "four plain words here")) {
            for (int i = 0; i < 4; i++) assertThat(stream(after, i)).isEqualTo(stream(before, i));
            assertThat(after.getDocumentCatalog().getAcroForm().getField("Name1").getValueAsString()).isEqualTo("Filled in 1");
            assertThat(after.getDocumentCatalog().getPageLabels().getLabelsByPageIndices()).containsExactly("i", "ii", "1", "2");
            assertThat(after.getDocumentInformation().getCustomMetadataValue("File number")).isEqualTo("HO 12/6");
            assertThat(after.getDocumentCatalog().getOCProperties().getGroupNames()).containsExactly("Prices");
            assertThat(after.getPage(0).getRotation()).isEqualTo(90);
        }
    }

    @Test void whatWouldRunIsTakenOutAndTold() throws IOException {
        Receipt receipt = publish(Recipe.PLAIN);
        assertThat(told(receipt)).contains("A script in it was taken out; it was not run.");
        try (PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(everything(after)).doesNotContain("app.alert");
            assertThat(after.getPage(1).getAnnotations()).hasSize(4);
        }
    }

    /** ISO 32000-2, 7.3.10: what refers to no object is null, and stays so when objects are numbered anew. */
    @Test void referencesThatLeadNowhereGoOnLeadingNowhere() throws IOException {
        Path odd = root.resolve("odd.pdf");
        try (PDDocument pdf = Loader.loadPDF(original)) {
            for (int number = 1; number < 12; number++) pdf.getPage(1).getCOSObject().setInt(COSName.getPDFName("Odd" + number), 9_000_000 + number);
            pdf.save(odd.toFile(), CompressParameters.NO_COMPRESSION);
        }
        String plain = Files.readString(odd, StandardCharsets.ISO_8859_1);
        Matcher size = Pattern.compile("/Size (\\d+)").matcher(plain);
        assertThat(size.find()).isTrue();
        for (int number = 1; number < 12; number++)
            plain = plain.replace(String.valueOf(9_000_000 + number), String.format("%3d 0 R", Integer.parseInt(size.group(1)) - 1 + number));
        Files.writeString(odd, plain, StandardCharsets.ISO_8859_1);
        Receipt receipt = publish(odd, Recipe.PLAIN.with(new FactsRule(false, "Another", null, null, null, null)), Recipe.Passwords.NONE);
        try (PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            for (int number = 1; number < 12; number++)
                assertThat(after.getPage(1).getCOSObject().getDictionaryObject(COSName.getPDFName("Odd" + number))).isNull();
        }
    }

    @Test void whereNothingIsWishedEveryByteStays() throws IOException {
        Path clean = root.resolve("clean.pdf");
        try (PDDocument pdf = Loader.loadPDF(original)) {
            pdf.getDocumentCatalog().getCOSObject().removeItem(COSName.OPEN_ACTION);
            pdf.save(clean.toFile());
        }
        Receipt receipt = publish(clean, Recipe.PLAIN, Recipe.Passwords.NONE);
        assertThat(receipt.file()).hasSameBinaryContentAs(clean);
        assertThat(proven(receipt)).containsExactly("Every byte is the original's");
    }

    @Test void pagesThatAreLeftOutAreGoneForGood() throws IOException {
        Receipt receipt = publish(Recipe.PLAIN.of(new PageRange("3,2")));
        assertThat(receipt.proven()).isTrue();
        assertThat(told(receipt)).contains("One link led to a page that is left out; it is gone.");
        try (PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(text(after)).contains("page 3", "page 2").doesNotContain("page 1", "page 4");
            assertThat(everything(after)).doesNotContain("Secret of page 1").doesNotContain("Secret of page 4");
            assertThat(after.getDocumentCatalog().getPageLabels().getLabelsByPageIndices()).containsExactly("1", "ii");
            assertThat(bookmarks(after.getDocumentCatalog().getDocumentOutline().children(), "")).containsExactly("Front", " Inside", " Deeper");
            PDOutlineItem front = after.getDocumentCatalog().getDocumentOutline().getFirstChild();
            assertThat(after.getPages().indexOf(front.findDestinationPage(after))).as("It leads where the first below it does").isEqualTo(1);
            assertThat(after.getDocumentCatalog().getAcroForm().getFields()).hasSize(2);
        }
        Receipt last = publish(Recipe.PLAIN.of(new PageRange("4")).with(Recipe.WhenPresent.REPLACE));
        try (PDDocument after = Loader.loadPDF(last.file().toFile())) {
            assertThat(everything(after)).doesNotContain("Filled in").doesNotContain("Ask the harbour master");
            assertThat(after.getDocumentCatalog().getAcroForm().getFields()).isEmpty();
        }
    }

    @Test void bookmarksFollowTheirLevels() throws IOException {
        Receipt receipt = publish(Recipe.PLAIN.with(new PdfChoices.Bookmarks(2, 2, 0)));
        try (PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(bookmarks(after.getDocumentCatalog().getDocumentOutline().children(), "")).containsExactly("Inside", "Deeper");
        }
        Receipt none = publish(Recipe.PLAIN.with(PdfChoices.Bookmarks.NONE).with(Recipe.WhenPresent.REPLACE));
        try (PDDocument after = Loader.loadPDF(none.file().toFile())) {
            assertThat(after.getDocumentCatalog().getDocumentOutline()).isNull();
        }
    }

    @Test void factsAreSaidInBothPlacesAndOthersStay() throws IOException {
        Receipt receipt = publish(Recipe.PLAIN.with(new FactsRule(false, "Brochure 2027", null, null, null, null)));
        assertThat(receipt.proven()).isTrue();
        try (PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(after.getDocumentInformation().getTitle()).isEqualTo("Brochure 2027");
            assertThat(after.getDocumentInformation().getAuthor()).isEqualTo("Ina Vold");
            assertThat(new String(after.getDocumentCatalog().getMetadata().toByteArray(), StandardCharsets.UTF_8)).contains("Brochure 2027");
        }
        Receipt bare = publish(Recipe.PLAIN.with(FactsRule.STRIP).with(Recipe.WhenPresent.REPLACE));
        try (PDDocument after = Loader.loadPDF(bare.file().toFile())) {
            assertThat(everything(after)).doesNotContain("Ina Vold").doesNotContain("HO 12/6").doesNotContain("Harbour brochure");
        }
    }

    @Test void picturesAreMadeSmallerAndNothingElse() throws IOException {
        Receipt receipt = publish(Recipe.PLAIN.with(PdfStyle.PLAIN.with(new Pictures(60, 100))));
        assertThat(receipt.proven()).isTrue();
        assertThat(receipt.bytes()).isLessThan(original.length / 4);
        assertThat(proven(receipt)).contains("Their fonts, pictures and boxes are the original's, but for one picture made smaller");
        try (PDDocument before = Loader.loadPDF(original); PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(stream(after, 2)).isEqualTo(stream(before, 2));
        }
        assertThat(difference(source, receipt.file(), 2)).isLessThan(8);
        assertThat(difference(source, receipt.file(), 1)).isZero();
    }

    @Test void aStampStandsUprightOnATurnedPageAndTheRestIsAsItWas() throws IOException {
        Receipt receipt = publish(Recipe.PLAIN.with(List.of(Laid.stamp("Copy {page} of {pages}", Overlay.Place.TOP_LEFT))));
        assertThat(receipt.proven()).isTrue();
        try (PdfPages before = PdfPages.open(source, null); PdfPages after = PdfPages.open(receipt.file(), null)) {
            BufferedImage was = before.image(0, 1);
            BufferedImage is = after.image(0, 1);
            assertThat(is.getWidth()).as("The page lies on its side").isGreaterThan(is.getHeight());
            List<int[]> changed = new ArrayList<>();
            for (int y = 0; y < is.getHeight(); y++) for (int x = 0; x < is.getWidth(); x++) if (was.getRGB(x, y) != is.getRGB(x, y)) changed.add(new int[] {x,
                    y});
            assertThat(changed).hasSizeGreaterThan(50).allMatch(at -> at[0] > 36 && at[0] < 140 && at[1] > 16 && at[1] < 44);
        }
        try (PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(text(after)).contains("Copy 1 of 4", "Copy 4 of 4", "Secret of page 3");
        }
    }

    @Test void theOwnersWordCounts() throws IOException {
        Path locked = root.resolve("locked.pdf");
        try (PDDocument pdf = Loader.loadPDF(original)) {
            AccessPermission permission = new AccessPermission();
            permission.setCanModify(false);
            StandardProtectionPolicy policy = new StandardProtectionPolicy("owner", "", permission);
            policy.setEncryptionKeyLength(128);
            pdf.protect(policy);
            pdf.save(locked.toFile());
        }
        assertThatThrownBy(() -> publish(locked, Recipe.PLAIN, Recipe.Passwords.NONE)).isInstanceOfSatisfying(DecantException.class,
                e -> assertThat(e.kind()).isEqualTo(DecantException.Kind.NOT_PERMITTED)).hasMessageContaining("owner");
        Intake intake = new Intake(locked, "owner");
        Receipt receipt = Decant.publish(new Order(intake.pages(Recipe.PLAIN, Progress.SILENT), Recipe.PLAIN), root.resolve("open.pdf"), Progress.SILENT)
                .get(0);
        assertThat(told(receipt)).contains("The original is locked; this copy is not.");
        try (PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(after.isEncrypted()).isFalse();
        }
    }

    @Test void filesForQuickDisplayAndUnpackedOnesHoldTheSame() throws IOException {
        for (PdfStyle style : List.of(PdfStyle.PLAIN.linearized(true), PdfStyle.PLAIN.compressed(false), PdfStyle.PLAIN.version(1.4))) {
            Receipt receipt = publish(Recipe.PLAIN.with(style).with(Recipe.WhenPresent.REPLACE));
            assertThat(receipt.proven()).as("%s: %s", style, proven(receipt)).isTrue();
            for (int page = 0; page < 4; page++) assertThat(difference(source, receipt.file(), page)).isZero();
        }
    }

    @Test void theCheckFindsWhatIsNotAsItWas() throws IOException {
        Receipt receipt = publish(Recipe.PLAIN.of(new PageRange("1-3")));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            try (var out = ((COSStream) pdf.getPage(1).getCOSObject().getDictionaryObject(COSName.CONTENTS)).createOutputStream()) {
                out.write(' ');
            }
            COSDictionary annotation = (COSDictionary) pdf.getPage(2).getCOSObject().getCOSArray(COSName.ANNOTS).getObject(0);
            annotation.setName(COSName.SUBTYPE, "Stamp");
            pdf.save(root.resolve("spoiled.pdf").toFile());
        }
        Recipe recipe = Recipe.PLAIN.of(new PageRange("1-3"));
        PdfChoices choices = new PdfChoices(List.of(0, 1, 2), PdfStyle.PLAIN, Facts.NONE, Instant.EPOCH);
        List<PdfCheck.Proof> proofs = KeptCheck.check(root.resolve("spoiled.pdf"), new Intake(source, null).pages(recipe, Progress.SILENT),
                choices, new KeptWriter.Written(false, false, 0, 0, KeptWriter.FactsWish.AS_THEY_ARE, List.of()));
        assertThat(proofs.stream().filter(proof -> !proof.holds()).map(PdfCheck.Proof::sentence)).hasSize(2)
                .anyMatch(sentence -> sentence.startsWith("1 of 3 pages are not")).anyMatch(sentence -> sentence.startsWith("What stands on its pages"));
    }

    @Test void setAnewWhereThatIsWished() throws IOException {
        Recipe recipe = Recipe.PLAIN.remaking(true);
        Receipt receipt = publish(recipe);
        assertThat(proven(receipt)).noneMatch(sentence -> sentence.contains("byte for byte"));
        assertThat(Set.of(recipe.keepsPages(), Recipe.PLAIN.keepsPages())).containsExactlyInAnyOrder(false, true);
    }

    /** The largest mean difference of a channel on a page, as painted by PDFBox. */
    private static double difference(Path one, Path other, int page) {
        try (PdfPages a = PdfPages.open(one, null); PdfPages b = PdfPages.open(other, null)) {
            BufferedImage x = a.image(page, 1);
            BufferedImage y = b.image(page, 1);
            long sum = 0;
            PixelRows was = new PixelRows(x);
            PixelRows is = new PixelRows(y);
            for (int v = 0; v < x.getHeight(); v++) {
                int[] row = was.row(v);
                int[] next = is.row(v);
                for (int u = 0; u < row.length; u++)
                    for (int shift = 0; shift < 24 && row[u] != next[u]; shift += 8) sum += Math.abs((row[u] >> shift & 255) - (next[u] >> shift & 255));
            }
            return sum / 3.0 / x.getWidth() / x.getHeight();
        }
    }
}
