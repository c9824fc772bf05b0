package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.format.Taken;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Fonts that travel in office files: put in as the standards say, and used where the machine lacks them. */
class TravellingFontsTest {
    private static final byte[] FILE = FontCatalogue.shipped().match("Carlito", false, false).face().file();
    private static final String FAMILY = "Quay Grotesk";
    private static final String WORDS = "Tickets on the quay: 3.50";

    @TempDir private Path folder;

    private static PagedDocument pages(byte[] font) {
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(WORDS, Look.of(TextProperty.FAMILY, FAMILY))));
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(paragraph))));
        return Layout.of(document, FontCatalogue.shipped().with(List.of(Face.read(FAMILY, false, false, font))));
    }

    private Receipt publish(PagedDocument pages, Target target, Recipe.OfficeFonts fonts) {
        Recipe recipe = Recipe.PLAIN.to(target).with(fonts).with(Recipe.WhenPresent.REPLACE);
        return Publisher.publish(new Order(pages, recipe), folder.resolve("made." + target.ending()), Instant.EPOCH, Progress.SILENT);
    }

    private static Map<String, byte[]> parts(Path file) throws IOException {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(file))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) parts.put(entry.getName(), in.readAllBytes());
        }
        return parts;
    }

    private static Taken taken(byte[] file, Target target) { return Formats.read(file, "made." + target.ending(), null, Progress.SILENT); }

    /** A machine without the family lays the document out with the font inside: lines end where they ended. */
    private void usedWhereItIsMissing(Receipt receipt, PagedDocument original, Target target) throws IOException {
        Document again = taken(Files.readAllBytes(receipt.file()), target).document();
        assertThat(again.fonts()).singleElement().satisfies(font -> assertThat(font.family()).isEqualTo(FAMILY));
        PagedDocument pages = Layout.of(again, FontCatalogue.shipped());
        assertThat(pages.fonts()).filteredOn(match -> match.family().equals(FAMILY)).singleElement().satisfies(match -> assertThat(match.here()).isTrue());
        assertThat(pages.page(0).lines().get(0).line().pieces().get(0).width()).isEqualTo(original.page(0).lines().get(0).line().pieces().get(0).width());
    }

    /** ISO/IEC 29500-1, 17.8.1: the first 32 bytes are XORed with the key, read from its last byte to its first; 17.8.3.8 tells that fonts are inside. */
    @Test void goIntoDocxDisguisedByTheirKey() throws IOException {
        PagedDocument original = pages(FILE);
        Receipt receipt = publish(original, Target.DOCX, Recipe.OfficeFonts.WHOLE);
        Map<String, byte[]> parts = parts(receipt.file());
        Matcher key = Pattern.compile("<w:font w:name=\"Quay Grotesk\"><w:embedRegular r:id=\"rId1\" w:fontKey=\"\\{([0-9A-F-]{36})}\"")
                .matcher(new String(parts.get("word/fontTable.xml"), StandardCharsets.UTF_8));
        assertThat(key.find()).isTrue();
        byte[] guid = HexFormat.of().parseHex(key.group(1).replace("-", ""));
        byte[] font = parts.get("word/fonts/font1.odttf").clone();
        assertThat(Arrays.equals(font, FILE)).isFalse();
        for (int half = 0; half < 2; half++) for (int i = 0; i < 16; i++) font[16 * half + i] ^= guid[15 - i];
        assertThat(Arrays.equals(font, FILE)).isTrue();
        assertThat(new String(parts.get("word/settings.xml"), StandardCharsets.UTF_8)).contains("<w:embedTrueTypeFonts/>").doesNotContain("saveSubsetFonts");
        assertThat(new String(parts.get("[Content_Types].xml"), StandardCharsets.UTF_8)).contains("obfuscatedFont");
        usedWhereItIsMissing(receipt, original, Target.DOCX);
    }

    /** ISO/IEC 26300-1, 17.13 and 17.14: a declaration leads to the file beside the text. */
    @Test void goIntoOdtBesideTheText() throws IOException {
        PagedDocument original = pages(FILE);
        Receipt receipt = publish(original, Target.ODT, Recipe.OfficeFonts.WHOLE);
        Map<String, byte[]> parts = parts(receipt.file());
        assertThat(Arrays.equals(parts.get("Fonts/font1.ttf"), FILE)).isTrue();
        assertThat(new String(parts.get("content.xml"), StandardCharsets.UTF_8))
                .contains("<svg:font-face-uri xlink:href=\"Fonts/font1.ttf\" xlink:type=\"simple\">");
        assertThat(new String(parts.get("META-INF/manifest.xml"), StandardCharsets.UTF_8)).contains("\"Fonts/font1.ttf\"");
        usedWhereItIsMissing(receipt, original, Target.ODT);
    }

    @Test void travelOnFromFormatToFormatAndCanBeLeftBehind() throws IOException {
        Receipt first = publish(pages(FILE), Target.DOCX, Recipe.OfficeFonts.WHOLE);
        PagedDocument brought = Layout.of(taken(Files.readAllBytes(first.file()), Target.DOCX).document(), FontCatalogue.shipped());
        Receipt second = publish(brought, Target.ODT, Recipe.OfficeFonts.AS_THEY_CAME);
        assertThat(parts(second.file())).containsKey("Fonts/font1.ttf");
        assertThat(parts(publish(brought, Target.DOCX, Recipe.OfficeFonts.NONE).file()).keySet()).noneMatch(name -> name.contains("fonts/"));
        assertThat(publish(brought, Target.RTF, Recipe.OfficeFonts.AS_THEY_CAME).findings()).anySatisfy(finding -> assertThat(finding.what())
                .contains(".rtf holds no fonts"));
    }

    @Test void holdTheUsedCharactersOnlyWhereWished() throws IOException {
        for (Target target : List.of(Target.DOCX, Target.ODT)) {
            PagedDocument original = pages(FILE);
            Receipt receipt = publish(original, target, Recipe.OfficeFonts.USED_CHARACTERS);
            Document again = taken(Files.readAllBytes(receipt.file()), target).document();
            assertThat(again.fonts().get(0).subset()).isTrue();
            assertThat(again.fonts().get(0).bytes().length).isLessThan(FILE.length / 4);
            try (TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(again.fonts().get(0).bytes()))) {
                for (int character : WORDS.codePoints().toArray())
                    assertThat(font.getUnicodeCmapLookup().getGlyphId(character)).as(Character.toString(character)).isPositive();
                assertThat(font.getUnicodeCmapLookup().getGlyphId('Z')).isZero();
            }
            usedWhereItIsMissing(receipt, original, target);
        }
    }

    /** OpenType 1.9, OS/2 {@code fsType}: 2 forbids embedding. */
    @Test void stayWhereTheirLicenceForbidsIt() throws IOException {
        byte[] restricted = FILE.clone();
        ByteBuffer tables = ByteBuffer.wrap(restricted);
        for (int i = 0; i < tables.getShort(4); i++)
            if (tables.getInt(12 + 16 * i) == 0x4F532F32) tables.putShort(tables.getInt(12 + 16 * i + 8) + 8, (short) 2);
        PagedDocument pages = pages(restricted);
        assertThatThrownBy(() -> publish(pages, Target.DOCX, Recipe.OfficeFonts.WHOLE)).isInstanceOf(DecantException.class)
                .hasMessageContaining("licence of Quay Grotesk forbids");
        assertThat(folder.resolve("made.docx")).doesNotExist();
        Recipe recipe = Recipe.PLAIN.to(Target.DOCX).with(Recipe.OfficeFonts.WHOLE).with(Recipe.Restricted.REPLACE);
        Receipt receipt = Publisher.publish(new Order(pages, recipe), folder.resolve("made.docx"), Instant.EPOCH, Progress.SILENT);
        assertThat(parts(receipt.file()).keySet()).noneMatch(name -> name.contains("fonts/"));
        assertThat(receipt.findings()).anySatisfy(finding -> assertThat(finding.what()).contains("stays behind"));
    }

    @Test void areLeftOutWithAWordWhereTheyAreDamaged() throws IOException {
        for (Target target : List.of(Target.DOCX, Target.ODT)) {
            Map<String, byte[]> parts = parts(publish(pages(FILE), target, Recipe.OfficeFonts.WHOLE).file());
            parts.replaceAll((name, bytes) -> name.toLowerCase().contains("fonts/") ? Arrays.copyOf(bytes, 90) : bytes);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            try (ZipOutputStream out = new ZipOutputStream(bytes)) {
                for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                    out.putNextEntry(new ZipEntry(part.getKey()));
                    new ByteArrayInputStream(part.getValue()).transferTo(out);
                }
            }
            Taken taken = taken(bytes.toByteArray(), target);
            assertThat(taken.document().fonts()).isEmpty();
            assertThat(taken.findings()).anySatisfy(finding -> assertThat(finding.what()).contains("Quay Grotesk inside the file is damaged"));
            assertThat(Layout.of(taken.document(), FontCatalogue.shipped()).count()).isPositive();
        }
    }
}
