package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.format.text.TextWriter;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.lock.Protection.Permission;
import app.decant.pdf.lock.Protection.Strength;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe.Passwords;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.net.URL;
import java.net.URLClassLoader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.Base64;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.Deflater;
import javax.crypto.Cipher;
import javax.crypto.SecretKeyFactory;
import javax.crypto.spec.IvParameterSpec;
import javax.crypto.spec.PBEKeySpec;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** OpenDocument files locked by a password (ISO/IEC 26300-3, 3.4), by AES and by the older Blowfish; the way to a key against that of the JDK. */
class OpenDocumentLockTest {
    private static final Passwords KEY = new Passwords("Hälf tide", "");

    @TempDir private Path folder;

    private static Document document() {
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(List.of(Paragraph.of("The gangway is drawn in at half tide."),
                Paragraph.of("Nobody waits.")))));
    }

    private static Recipe locked() {
        return Recipe.PLAIN.as(Target.of("odt")).with(new Recipe.Locking(Strength.AES_256, EnumSet.allOf(Permission.class)))
                .with(Recipe.WhenPresent.REPLACE);
    }

    private Path published() {
        Receipt receipt = Decant.publish(new Order(Decant.layOut(document()), locked(), KEY, null), folder.resolve("notice.odt"), Progress.SILENT).get(0);
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::holds).containsOnly(true);
        assertThat(receipt.proofs()).hasSize(2);
        return receipt.file();
    }

    @Test void opensWithItsPasswordAndNoOther() {
        Path file = published();
        assertThat(TextWriter.write(Decant.open(file, "Hälf tide", Progress.SILENT).document())).contains("half tide", "Nobody waits.");
        for (String wrong : new String[] {null, "", "Half tide", "Hälf tide "}) {
            assertThatThrownBy(() -> Decant.open(file, wrong, Progress.SILENT)).as("%s", wrong).isInstanceOfSatisfying(DecantException.class,
                    told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.NEEDS_PASSWORD));
        }
    }

    @Test void nothingButItsKindCanBeReadWithout() throws IOException {
        Map<String, byte[]> parts = Archive.parts(Files.readAllBytes(published()));
        assertThat(new String(parts.get("mimetype"), StandardCharsets.US_ASCII)).isEqualTo("application/vnd.oasis.opendocument.text");
        for (Map.Entry<String, byte[]> part : parts.entrySet()) {
            String read = new String(part.getValue(), StandardCharsets.ISO_8859_1);
            assertThat(read).as(part.getKey()).doesNotContain("gangway").doesNotContain("office:");
        }
        XmlNode manifest = XmlReader.tree(parts.get("META-INF/manifest.xml"), "manifest.xml");
        List<XmlNode> entries = manifest.children("manifest:file-entry");
        List<String> open = entries.stream().filter(entry -> entry.child("manifest:encryption-data") == null).map(entry -> entry.get("manifest:full-path", ""))
                .toList();
        assertThat(open).allMatch(path -> path.endsWith("/"));
        XmlNode told = entries.stream().filter(entry -> entry.get("manifest:full-path", "").equals("content.xml")).findFirst().orElseThrow();
        assertThat(told.get("manifest:size", "0")).matches("[1-9]\\d+");
        XmlNode data = told.child("manifest:encryption-data");
        assertThat(data.child("manifest:key-derivation").get("manifest:iteration-count", "")).isEqualTo("100000");
        assertThat(data.children()).extracting(XmlNode::name).containsExactly("manifest:algorithm", "manifest:key-derivation",
                "manifest:start-key-generation");
        assertThat(parts.get("content.xml").length % 16).isZero();
        // The same once more is another file.
        assertThat(Archive.parts(Files.readAllBytes(published())).get("content.xml")).isNotEqualTo(parts.get("content.xml"));
    }

    @Test void keysAreThoseOfTheStandard() throws GeneralSecurityException {
        byte[] salt = "salt of the sound".getBytes(StandardCharsets.US_ASCII);
        for (int size : new int[] {16, 20, 32, 41}) {
            byte[] expected = SecretKeyFactory.getInstance("PBKDF2WithHmacSHA1").generateSecret(new PBEKeySpec("password".toCharArray(), salt, 77, size * 8))
                    .getEncoded();
            assertThat(OpenDocumentLock.key("password".getBytes(StandardCharsets.US_ASCII), salt, 77, size)).isEqualTo(expected);
        }
    }

    /** A file as programs before 2012 locked it, made here by the JDK alone. */
    private byte[] old(String rounds, String algorithm) throws IOException, GeneralSecurityException {
        Path plain = Decant.publish(document(), Recipe.PLAIN.as(Target.of("odt")).with(Recipe.WhenPresent.REPLACE), folder.resolve("plain.odt")).file();
        Map<String, byte[]> parts = new LinkedHashMap<>(Archive.parts(Files.readAllBytes(plain)));
        byte[] first = MessageDigest.getInstance("SHA-1").digest("secret".getBytes(StandardCharsets.UTF_8));
        byte[] salt = "0123456789abcdef".getBytes(StandardCharsets.US_ASCII);
        byte[] vector = "12345678".getBytes(StandardCharsets.US_ASCII);
        byte[] key = OpenDocumentLock.key(first, salt, 1024, 16);
        Base64.Encoder encoder = Base64.getEncoder();
        StringBuilder manifest = new StringBuilder("<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\">");
        for (String part : List.of("content.xml", "styles.xml")) {
            byte[] packed = deflated(parts.get(part));
            byte[] sum = MessageDigest.getInstance("SHA-1").digest(Arrays.copyOf(packed, Math.min(1024, packed.length)));
            Cipher cipher = Cipher.getInstance("Blowfish/CFB/NoPadding");
            cipher.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(key, "Blowfish"), new IvParameterSpec(vector));
            manifest.append("<manifest:file-entry manifest:full-path=\"").append(part).append("\" manifest:size=\"").append(parts.get(part).length)
                    .append("\"><manifest:encryption-data manifest:checksum-type=\"SHA1/1K\" manifest:checksum=\"").append(encoder.encodeToString(sum))
                    .append("\"><manifest:algorithm manifest:algorithm-name=\"").append(algorithm).append("\" manifest:initialisation-vector=\"")
                    .append(encoder.encodeToString(vector)).append("\"/><manifest:key-derivation manifest:key-derivation-name=\"PBKDF2\" ")
                    .append("manifest:iteration-count=\"").append(rounds).append("\" manifest:salt=\"").append(encoder.encodeToString(salt))
                    .append("\"/></manifest:encryption-data></manifest:file-entry>");
            parts.put(part, cipher.doFinal(packed));
        }
        parts.put("META-INF/manifest.xml", manifest.append("</manifest:manifest>").toString().getBytes(StandardCharsets.UTF_8));
        parts.remove("mimetype");
        return Archive.packed("application/vnd.oasis.opendocument.text", parts);
    }

    private static byte[] deflated(byte[] plain) {
        Deflater deflater = new Deflater(Deflater.DEFAULT_COMPRESSION, true);
        deflater.setInput(plain);
        deflater.finish();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        byte[] chunk = new byte[4096];
        while (!deflater.finished()) out.write(chunk, 0, deflater.deflate(chunk));
        return out.toByteArray();
    }

    @Test void filesOfOlderProgramsOpenAsWell() throws IOException, GeneralSecurityException {
        byte[] file = old("1024", "Blowfish CFB");
        assertThat(TextWriter.write(Formats.read(file, "old.odt", "secret", Progress.SILENT).document())).contains("half tide");
        assertThatThrownBy(() -> Formats.read(file, "old.odt", "Secret", Progress.SILENT)).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.NEEDS_PASSWORD));
        assertThat(Formats.opens(file, "old.odt", null)).isFalse();
    }

    @Test void whatIsLockedInAWayNobodyKnowsOrWithoutEndIsSaidInWords() throws IOException, GeneralSecurityException {
        for (byte[] file : List.of(old("999999999", "Blowfish CFB"), old("0", "Blowfish CFB"), old("many", "Blowfish CFB"), old("1024", "Rot13"))) {
            assertThatThrownBy(() -> Formats.read(file, "odd.odt", "secret", Progress.SILENT)).isInstanceOfSatisfying(DecantException.class,
                    told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.UNREADABLE));
        }
        byte[] spoiled = Files.readAllBytes(published());
        Map<String, byte[]> parts = new LinkedHashMap<>(Archive.parts(spoiled));
        parts.put("content.xml", Arrays.copyOf(parts.get("content.xml"), parts.get("content.xml").length - 5));
        parts.remove("mimetype");
        assertThatThrownBy(() -> Formats.read(Archive.packed("application/vnd.oasis.opendocument.text", parts), "cut.odt", "Hälf tide", Progress.SILENT))
                .isInstanceOf(DecantException.class);
    }

    @Test void aLockedWorkbookOpensToo() throws IOException {
        Path plain = folder.resolve("fares.csv");
        Files.writeString(plain, "Adult,4.80\nChild,2.40\n");
        Recipe recipe = Recipe.PLAIN.as(Target.of("ods"));
        Path ods = Decant.publish(new Order(new Intake(plain, null).pages(recipe, Progress.SILENT), recipe), folder.resolve("fares.ods"),
                Progress.SILENT).get(0).file();
        Path locked = Files.write(folder.resolve("locked.ods"), OpenDocumentLock.locked(Files.readAllBytes(ods), "secret"));
        assertThat(Decant.workbook(locked, "secret", Progress.SILENT).workbook().sheets().get(0).cell(1, 0)).isNotNull();
        assertThatThrownBy(() -> Decant.workbook(locked, null, Progress.SILENT)).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.NEEDS_PASSWORD));
    }

    @Test void whatTheManifestForgotIsLockedAndOpensAsWell() throws IOException {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        parts.put("content.xml", "<a/>".getBytes(StandardCharsets.UTF_8));
        parts.put("Pictures/quay.png", new byte[] {1, 2, 3});
        parts.put("META-INF/manifest.xml", ("<manifest:manifest xmlns:manifest=\"urn:oasis:names:tc:opendocument:xmlns:manifest:1.0\">"
                + "<manifest:file-entry manifest:full-path=\"content.xml\" manifest:media-type=\"text/xml\"/></manifest:manifest>")
                .getBytes(StandardCharsets.UTF_8));
        Map<String, byte[]> locked = Archive.parts(OpenDocumentLock.locked(Archive.packed("application/vnd.oasis.opendocument.text", parts), "secret"));
        assertThat(locked.get("Pictures/quay.png")).hasSize(16);
        Map<String, byte[]> open = OpenDocumentLock.unlocked(locked, "quay.odt", "secret", Progress.SILENT);
        assertThat(open.get("Pictures/quay.png")).isEqualTo(parts.get("Pictures/quay.png"));
        assertThat(open.get("content.xml")).isEqualTo(parts.get("content.xml"));
        assertThatThrownBy(() -> OpenDocumentLock.unlocked(locked, "quay.odt", "secret", (done, total, what) -> false))
                .isInstanceOfSatisfying(DecantException.class, told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.CANCELLED));
    }

    /** Another hand than ours: the ODF Toolkit's packages, which know the older way. */
    @Test void filesThatTheOpenDocumentToolkitLockedOpen() throws IOException, ReflectiveOperationException {
        Path plain = Decant.publish(document(), Recipe.PLAIN.as(Target.of("odt")), folder.resolve("plain.odt")).file();
        Path theirs = folder.resolve("theirs.odt");
        try (URLClassLoader toolkit = new URLClassLoader(new URL[] {Path.of("target", "tools", "odfvalidator.jar").toUri().toURL()})) {
            Class<?> kind = toolkit.loadClass("org.odftoolkit.odfdom.pkg.OdfPackage");
            Object file = kind.getMethod("loadPackage", File.class).invoke(null, plain.toFile());
            kind.getMethod("setPassword", String.class).invoke(file, "Hälf tide");
            kind.getMethod("save", File.class).invoke(file, theirs.toFile());
        }
        assertThat(new String(Archive.parts(Files.readAllBytes(theirs)).get("META-INF/manifest.xml"), StandardCharsets.UTF_8)).contains("Blowfish");
        assertThat(TextWriter.write(Decant.open(theirs, "Hälf tide", Progress.SILENT).document())).contains("half tide", "Nobody waits.");
        assertThatThrownBy(() -> Decant.open(theirs, "half tide", Progress.SILENT)).isInstanceOfSatisfying(DecantException.class,
                told -> assertThat(told.kind()).isEqualTo(DecantException.Kind.NEEDS_PASSWORD));
    }
}
