package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.FontFile;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.font.BroughtFonts;
import app.decant.font.FontCatalogue;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A font that is on no machine, added to a document from a file: the lines are set in it, and it goes along where its licence allows. */
class AddedFontTest {
    /** As long as the name of the shipped font that it is made of, so that all else in the file stays where it is. */
    private static final String FAMILY = "Harbourmaster 16";

    @TempDir private Path root;

    /** A shipped font under a name that no machine has. */
    private static byte[] font() throws IOException {
        byte[] font;
        try (InputStream in = FontCatalogue.class.getResourceAsStream("LiberationSerif-Italic.ttf")) {
            font = in.readAllBytes();
        }
        for (Charset charset : List.of(StandardCharsets.UTF_16BE, StandardCharsets.US_ASCII)) {
            byte[] old = "Liberation Serif".getBytes(charset);
            byte[] other = FAMILY.getBytes(charset);
            for (int i = 0; i + old.length <= font.length; i++)
                if (Arrays.equals(font, i, i + old.length, old, 0, old.length)) System.arraycopy(other, 0, font, i, old.length);
        }
        return font;
    }

    /** Sets what the licence of a font allows (OpenType 1.9, table OS/2, fsType): bit 1 forbids that it goes into files. */
    private static byte[] licensed(byte[] font, int fsType) {
        int tables = (font[4] & 255) << 8 | font[5] & 255;
        for (int i = 0; i < tables; i++) {
            int at = 12 + 16 * i;
            if (!new String(font, at, 4, StandardCharsets.US_ASCII).equals("OS/2")) continue;
            int offset = (font[at + 8] & 255) << 24 | (font[at + 9] & 255) << 16 | (font[at + 10] & 255) << 8 | font[at + 11] & 255;
            font[offset + 8] = 0;
            font[offset + 9] = (byte) fsType;
        }
        return font;
    }

    private static Document document() {
        Look look = Look.of(TextProperty.FAMILY, FAMILY).with(TextProperty.ITALIC, true);
        Paragraph paragraph = Paragraph.of("").withInlines(List.of(new Inline.Text("The harbour office opens at eight.", look)));
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(paragraph))));
    }

    private static FontCatalogue.Match match(Document document) {
        return Decant.layOut(document).fonts().stream().filter(one -> one.family().equals(FAMILY)).findFirst().orElseThrow();
    }

    @Test void theDocumentIsSetInItFromThenOn() throws IOException {
        Document before = document();
        assertThat(match(before).here()).isFalse();
        FontFile font = BroughtFonts.file(font(), "harbourmaster.ttf");
        assertThat(List.of(font.family(), font.bold(), font.italic(), font.subset())).containsExactly(FAMILY, false, true, false);
        Change change = FontReplacing.add(before, null, font);
        Document now = change.after();
        assertThat(match(now).here()).isTrue();
        assertThat(FontReplacing.add(now, null, font).isNothing()).as("the same once more").isTrue();
        Receipt receipt = Decant.publish(now, Recipe.PLAIN, root.resolve("letter.pdf"));
        try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
            PDResources resources = pdf.getPage(0).getResources();
            String name = resources.getFont(resources.getFontNames().iterator().next()).getName();
            assertThat(name).as("by PDFBox").matches("[A-Z]{6}\\+.*Serif.*Italic|[A-Z]{6}\\+Harbourmaster.*");
        }
        Receipt word = Decant.publish(now, Recipe.PLAIN.as(Target.DOCX), root.resolve("letter.docx"));
        assertThat(Decant.open(word.file()).document().fonts()).extracting(FontFile::family).containsExactly(FAMILY);
    }

    @Test void itStaysBehindWhereItsLicenceForbidsThatItGoesAlong() throws IOException {
        Document now = FontReplacing.add(document(), null, BroughtFonts.file(licensed(font(), 2), "harbourmaster.ttf")).after();
        Receipt word = Decant.publish(now, Recipe.PLAIN.as(Target.DOCX), root.resolve("letter.docx"));
        assertThat(Decant.open(word.file()).document().fonts()).isEmpty();
        assertThat(word.findings()).anyMatch(finding -> finding.what().contains("licence"));
    }

    @Test void whatIsNoFontIsRefused() throws IOException {
        byte[] cut = Arrays.copyOf(font(), 3000);
        for (byte[] bytes : List.of(new byte[0], "words".getBytes(StandardCharsets.US_ASCII), "ttcf\0\1\0\0\0\0\0\2".getBytes(StandardCharsets.US_ASCII), cut))
            assertThatThrownBy(() -> BroughtFonts.file(bytes, "some.ttf")).isInstanceOf(DecantException.class).hasMessageContaining("some.ttf");
    }
}
