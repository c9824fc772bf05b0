package app.decant.format.rtf;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.format.Portrait.Aspect;
import app.decant.format.Portrait;
import app.decant.format.Taken;
import app.decant.layout.Layout;
import com.rtfparserkit.converter.text.StringTextConverter;
import com.rtfparserkit.parser.RtfStreamSource;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Rich text files: written and read back as values; taken apart by RTF Parser Kit's own converter; what others write, by small files of RTF 1.9.1. */
class RtfRoundTripTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");
    private static final Set<Aspect> ALL = EnumSet.allOf(Aspect.class);

    private static Document laidOut(Document document) { return Layout.of(document, FontCatalogue.shipped()).withFieldResults(); }

    private static Taken read(String rtf) { return Formats.read(rtf.getBytes(StandardCharsets.US_ASCII), "test.rtf", null, Progress.SILENT); }

    @Test void keepsAllThatTheDemoDocumentsHold() {
        for (Document document : List.of(PassengerHandbook.document(), HarbourNotice.document())) {
            Document before = laidOut(document);
            byte[] file = RtfWriter.write(before, WHEN).bytes();
            assertThat(Formats.of(file)).isEqualTo(RtfFormat.RTF);
            Document after = Formats.read(file, "test.rtf", null, Progress.SILENT).document();
            assertThat(Portrait.differences(before, after, ALL)).isEmpty();
            assertThat(Layout.of(after, FontCatalogue.shipped()).count()).isEqualTo(Layout.of(before, FontCatalogue.shipped()).count());
            assertThat(after.facts().title()).isEqualTo(before.facts().title());
        }
    }

    @Test void isPlainAsciiAndReadByTheKitsOwnConverter() throws IOException {
        byte[] file = RtfWriter.write(laidOut(HarbourNotice.document()), WHEN).bytes();
        for (byte b : file) assertThat(b).isGreaterThanOrEqualTo((byte) 0);
        StringTextConverter converter = new StringTextConverter();
        converter.convert(new RtfStreamSource(new ByteArrayInputStream(file)));
        assertThat(converter.getText()).contains("The timbers of the outer berth are renewed in January.", "Foot passengers board by the inner steps",
                "low water 06:10");
    }

    /** RTF 1.9.1: code pages of fonts, Unicode with its stand-in, symbols, groups that readers may pass over. */
    @Test void readsLettersHoweverTheyAreWritten() {
        Taken taken = read("{\\rtf1\\ansi\\ansicpg1252\\deff0{\\fonttbl{\\f0 Caladea;}{\\f1\\fcharset204 Liberation Sans;}}{\\*\\unknown some {nested} "
                + "thing}Pier caf\\'e9 \\u1055 ?\\u1088\\'3f \\f1\\'cf\\'f0\\f0 a\\~b\\-c\\endash d \\{x\\}\\par}");
        assertThat(((Paragraph) taken.document().blocks().get(0)).plainText()).isEqualTo("Pier café Пр Пр" + "a\u00A0b\u00ADc–d {x}");
    }

    @Test void readsTablesListsAndNotesAsOthersWriteThem() {
        Taken taken = read("{\\rtf1\\ansi{\\fonttbl{\\f0 Caladea;}}{\\colortbl;\\red200\\green0\\blue0;}"
                + "\\trowd\\trgaph108\\trleft0\\clvmgf\\cellx2000\\clbrdrt\\brdrs\\brdrw20\\brdrcf1\\cellx4000\\pard\\intbl One\\cell Two\\cell\\row"
                + "\\trowd\\trgaph108\\trleft0\\clvmrg\\cellx2000\\cellx4000\\pard\\intbl\\cell Four\\cell\\row"
                + "\\pard After{\\super\\chftn}{\\footnote\\pard{\\super\\chftn} A note.} the note\\par"
                + "{\\field{\\*\\fldinst HYPERLINK \"https://ferries.example\"}{\\fldrslt Ferries}} sail\\par}");
        Document document = taken.document();
        Table table = (Table) document.blocks().get(0);
        assertThat(table.rows()).hasSize(2);
        assertThat(table.rows().get(0).cells().get(0).rowSpan()).isEqualTo(2);
        assertThat(table.rows().get(0).cells().get(1).look().get(TableProperty.BORDERS).top().colour().hex()).isEqualTo("C80000");
        Paragraph after = (Paragraph) document.blocks().get(1);
        assertThat(after.plainText()).isEqualTo("After the note");
        assertThat(after.inlines()).filteredOn(inline -> inline instanceof Inline.Note).hasSize(1);
        Paragraph link = (Paragraph) document.blocks().get(2);
        assertThat(link.inlines().get(0).look().get(TextProperty.LINK))
                .isEqualTo(new Link.Address("https://ferries.example"));
    }

    @Test void brokenFilesEndInASentence() {
        byte[] good = RtfWriter.write(laidOut(HarbourNotice.document()), WHEN).bytes();
        Random random = new Random(3);
        for (int i = 0; i < 60; i++) {
            byte[] bad = i % 2 == 0 ? Arrays.copyOf(good, 20 + random.nextInt(good.length - 20)) : good.clone();
            for (int k = 0; k < i; k++) bad[10 + random.nextInt(bad.length - 10)] = (byte) (32 + random.nextInt(95));
            try {
                Formats.read(bad, "bad.rtf", null, Progress.SILENT);
            } catch (DecantException e) {
                assertThat(e.getMessage()).contains("bad.rtf").endsWith(".");
            }
        }
        String deep = "{\\rtf1 " + "{".repeat(100_000) + "x" + "}".repeat(100_000) + "}";
        try {
            assertThat(read(deep).findings()).extracting(Finding::what).anyMatch(what -> what.contains("damaged"));
        } catch (DecantException e) {
            assertThat(e.getMessage()).contains("test.rtf");
        }
    }
}
