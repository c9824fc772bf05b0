package app.decant;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.demo.HarbourNotice;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.Taken;
import app.decant.format.ooxml.DocxWriter;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.format.text.PlainFormat;
import app.decant.format.text.TextWriter;
import app.decant.publish.Guard;
import app.decant.publish.PageRange;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.poi.poifs.crypt.EncryptionInfo;
import org.apache.poi.poifs.crypt.EncryptionMode;
import org.apache.poi.poifs.crypt.Encryptor;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Files that are broken, hostile, locked or protected, and targets that cannot be written: always a sentence, never a loss. */
class BadInputTest {
    private static final byte[] GOOD = DocxWriter.write(HarbourNotice.document(), Instant.EPOCH);
    @TempDir Path folder;

    private Path file(String name, byte[] bytes) throws IOException { return Files.write(folder.resolve(name), bytes); }

    private static void refuses(Path file, Kind kind, String... words) {
        assertThatThrownBy(() -> Decant.open(file)).isInstanceOfSatisfying(DecantException.class, e -> assertThat(e.kind()).isEqualTo(kind))
                .hasMessageContainingAll(words);
    }

    @Test void anEmptyFileIsNamedAsOne() throws IOException { refuses(file("empty.docx", new byte[0]), Kind.UNREADABLE, "empty.docx", "empty file"); }

    @Test void aMissingFileIsNamedAsOne() { refuses(folder.resolve("gone.docx"), Kind.UNREADABLE, "gone.docx is not there"); }

    @Test void aFileCutShortIsRefusedWhereverItIsCut() throws IOException {
        for (int cut = 10; cut < GOOD.length - 10; cut += GOOD.length / 23) refuses(file("cut.docx", Arrays.copyOf(GOOD, cut)), Kind.UNREADABLE, "damaged");
    }

    @Test void aMislabelledFileIsToldByItsContent() throws IOException {
        assertThat(Decant.open(file("letter.txt", GOOD)).format()).isEqualTo(OoxmlFormat.DOCX);
        assertThat(Decant.open(file("letter.docx", "just text".getBytes(StandardCharsets.UTF_8))).format()).isEqualTo(PlainFormat.TXT);
        refuses(file("picture.docx", new byte[] {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10}), Kind.UNREADABLE, "picture.docx is a damaged picture");
        refuses(file("report.docx", "%PDF-1.7\n".getBytes(StandardCharsets.US_ASCII)), Kind.UNREADABLE, "report.docx", "no pages can be found");
    }

    @ParameterizedTest @EnumSource(value = EncryptionMode.class, names = {"agile", "standard"}) void aProtectedFileAsksForItsPassword(EncryptionMode mode)
            throws Exception {
        Path file = file("secret.docx", encrypted(mode, "tide"));
        refuses(file, Kind.NEEDS_PASSWORD, "protected by a password");
        assertThatThrownBy(() -> Decant.open(file, "ebb", Progress.SILENT)).hasMessageContaining("not the password");
        assertThat(Decant.open(file, "tide", Progress.SILENT).document().blocks()).isNotEmpty();
    }

    private static byte[] encrypted(EncryptionMode mode, String password) throws Exception {
        try (POIFSFileSystem container = new POIFSFileSystem()) {
            Encryptor encryptor = new EncryptionInfo(mode).getEncryptor();
            encryptor.confirmPassword(password);
            try (OutputStream out = encryptor.getDataStream(container)) {
                out.write(GOOD);
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            container.writeFilesystem(bytes);
            return bytes.toByteArray();
        }
    }

    @Test void macrosAreLeftOutAndSaidSo() throws IOException {
        byte[] withMacros = changed(GOOD, "[Content_Types].xml",
                text -> text.replace("application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml",
                "application/vnd.ms-word.document.macroEnabled.main+xml"));
        Taken taken = Decant.open(file("macros.docm", withMacros));
        assertThat(taken.format()).isEqualTo(OoxmlFormat.DOCM);
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("macros"));
        assertThat(new String(DocxWriter.write(taken.document(), Instant.EPOCH), StandardCharsets.ISO_8859_1)).doesNotContain("vbaProject");
    }

    /** They are left out, which is told, and the rest opens; those that stand for each other a million times, too. */
    @Test void outsideEntitiesAreNeverFetched() throws IOException {
        byte[] hostile = changed(GOOD, "word/document.xml", text -> text.replaceFirst("\\?>", "?><!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/passwd\">]>")
                .replaceFirst("Harbour notice 27", "&e;"));
        Taken taken = Decant.open(file("hostile.docx", hostile));
        assertThat(TextWriter.write(taken.document())).doesNotContain("root:").doesNotContain("Harbour notice 27").contains(TextWriter.write(Decant
                .open(file("good.docx", GOOD)).document()).replace("Harbour notice 27", "").strip().lines().skip(1).findFirst().orElseThrow());
        assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("entities"));
        byte[] bomb = changed(GOOD, "word/document.xml", text -> text.replaceFirst("\\?>", "?><!DOCTYPE x [<!ENTITY a \"" + "ha".repeat(5000)
                + "\"><!ENTITY b \"" + "&a;".repeat(5000) + "\">]>").replaceFirst("Harbour notice 27", "&b;"));
        assertThat(TextWriter.write(Decant.open(file("bomb.docx", bomb)).document())).doesNotContain("haha");
    }

    @Test void anArchiveThatExpandsWithoutEndIsStopped() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("[Content_Types].xml"));
            zip.write("<Types>wordprocessingml.document.main</Types>".getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("word/document.xml"));
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 300; i++) zip.write(zeros);
            zip.closeEntry();
        }
        refuses(file("bomb.docx", bytes.toByteArray()), Kind.UNREADABLE, "far more than any real document");
    }

    @Test void deepNestingIsRefused() throws IOException {
        byte[] deep = changed(GOOD, "word/document.xml", text -> text.replaceFirst("<w:body>", "<w:body>" + "<w:tbl><w:tr><w:tc>".repeat(3000)
                + "</w:tc></w:tr></w:tbl>".repeat(3000)));
        refuses(file("deep.docx", deep), Kind.UNREADABLE, "nests deeper");
    }

    /** Bytes changed at random: opened or refused in words, nothing else. */
    @Test void randomDamageNeverEscapesAsAnythingButASentence() throws IOException {
        Random random = new Random(11);
        byte[] plain = changed(GOOD, "word/document.xml", text -> text);
        for (int i = 0; i < 150; i++) {
            byte[] damaged = i % 2 == 0 ? plain.clone() : GOOD.clone();
            for (int k = 0; k < 1 + random.nextInt(8); k++) damaged[random.nextInt(damaged.length)] = (byte) random.nextInt(256);
            try {
                Decant.layOut(Decant.open(file("damaged.docx", damaged)).document());
            } catch (DecantException e) {
                assertThat(e.getMessage()).endsWith(".");
            }
        }
    }

    /** Numbers no real document has, in the places where they hurt. */
    @Test void absurdMeasuresDoNotHangTheLayout() throws IOException {
        String[][] changes = {{"w:w=\"11906\"", "w:w=\"1\""}, {"w:left=\"1417\"", "w:left=\"99999999\""}, {"w:val=\"22\"", "w:val=\"999999999\""},
                {"w:pos=\"", "w:pos=\"-9"}, {"<w:gridCol w:w=\"", "<w:gridCol w:w=\"-99"}};
        for (String[] change : changes) {
            byte[] odd = changed(changed(GOOD, "word/document.xml", text -> text.replace(change[0], change[1])), "word/styles.xml",
                    text -> text.replace(change[0], change[1]));
            assertThat(Decant.layOut(Decant.open(file("odd.docx", odd)).document()).count()).isBetween(1, 5000);
        }
    }

    private static byte[] changed(byte[] archive, String part, UnaryOperator<String> change) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(archive)); ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                byte[] content = in.readAllBytes();
                out.putNextEntry(new ZipEntry(entry.getName()));
                out.write(entry.getName().equals(part) ? change.apply(new String(content, StandardCharsets.UTF_8)).getBytes(StandardCharsets.UTF_8) : content);
            }
        }
        return bytes.toByteArray();
    }

    @Test void anOlderTargetStaysUnlessReplacingIsWished() throws IOException {
        Document document = HarbourNotice.document();
        Path target = file("notice.pdf", "older".getBytes(StandardCharsets.UTF_8));
        assertThatThrownBy(() -> Decant.publish(document, Recipe.PLAIN, target)).hasMessageContainingAll("already", "notice 2.pdf");
        assertThat(Files.readString(target)).isEqualTo("older");
        Receipt both = Decant.publish(document, Recipe.PLAIN.with(Recipe.WhenPresent.KEEP_BOTH), target);
        assertThat(both.file()).hasFileName("notice 2.pdf");
        assertThat(Files.readString(target)).isEqualTo("older");
        Receipt replaced = Decant.publish(document, Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE), target);
        assertThat(replaced.file()).isEqualTo(target);
        assertThat(Files.size(target)).isGreaterThan(1000);
    }

    @Test void aTargetInAFolderThatCanNotBeIsToldInWords() throws IOException {
        Path file = file("plain file", new byte[0]);
        assertThatThrownBy(() -> Decant.publish(HarbourNotice.document(), Recipe.PLAIN, file.resolve("inside.pdf"))).isInstanceOf(DecantException.class)
                .hasMessageContaining("Choose another folder");
    }

    @Test void aFullDiskLeavesTheOlderFileAndNoScraps() throws IOException {
        Path target = file("notice.pdf", "older".getBytes(StandardCharsets.UTF_8));
        assertThatThrownBy(() -> SafeFile.write(target, Recipe.WhenPresent.REPLACE, Guard.NONE, out -> {
            out.write(new byte[1000]);
            throw new IOException("No space left on device");
        }, made -> { })).isInstanceOf(DecantException.class).hasMessageContainingAll("no room left", "Make room");
        assertThat(Files.readString(target)).isEqualTo("older");
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).containsExactly(target);
        }
    }

    @Test void stoppingLeavesNothingBehind() throws IOException {
        assertThatThrownBy(() -> Decant.publish(HarbourNotice.document(), Recipe.PLAIN, folder.resolve("stopped.pdf"), (done, total, what) ->
                !what.equals(Message.of("step.writing-pages"))))
                .isInstanceOfSatisfying(DecantException.class, e -> assertThat(e.kind()).isEqualTo(Kind.CANCELLED));
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).isEmpty();
        }
    }

    @Test void rangesThatMakeNoSenseAreRefusedInWords() {
        for (String[] bad : new String[][] {{"0", "no page 0"}, {"5", "no page 5"}, {"3-1", "runs backwards"}, {"x", "not a page"}, {"1-3-5", "not a page"},
                {"99999999999", "not a page"}}) {
            assertThatThrownBy(() -> new PageRange(bad[0]).of(4)).as(bad[0]).hasMessageContaining(bad[1]);
        }
        assertThat(new PageRange("1-2, 4").of(4)).containsExactly(0, 1, 3);
        assertThat(new PageRange("3-").of(4)).containsExactly(2, 3);
        assertThat(new PageRange("odd").of(5)).containsExactly(0, 2, 4);
    }

    @Test void plainTextGoesBothWays() throws IOException {
        Receipt receipt = Decant.publish(HarbourNotice.document(), Recipe.PLAIN.to(Target.TXT), folder.resolve("notice.txt"));
        assertThat(receipt.proven()).isTrue();
        assertThat(Decant.open(receipt.file()).document().blocks()).hasSizeGreaterThan(20);
    }
}
