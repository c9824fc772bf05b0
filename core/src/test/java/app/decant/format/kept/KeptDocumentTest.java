package app.decant.format.kept;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.FontFile;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Property;
import app.decant.document.RandomDocument;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.format.Archive;
import app.decant.format.Formats;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.reflect.Field;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What is kept and read again is what it was, to the last value. */
class KeptDocumentTest {
    @Test void everyDocumentComesBackEqual() {
        for (Document document : List.of(PassengerHandbook.document(), HarbourNotice.document(), Document.empty())) assertKept(document);
        for (int seed = 0; seed < 400; seed++) assertKept(new RandomDocument(new Random(seed)).document());
    }

    @Test void whatOtherFormatsCanNotSayIsKept() {
        Look look = Look.of(TextProperty.LINK, new Link.Inside("here")).with(TextProperty.SIZE, 10.123456789).with(TextProperty.LANGUAGE, "mn-Mong")
                .with(ParagraphProperty.TABS, new ParagraphProperty.TabStops(List.of(new ParagraphProperty.TabStop(12.5, ParagraphProperty.TabStop.Kind.DECIMAL,
                        ParagraphProperty.TabStop.Leader.MIDDLE_DOTS)))).with(TableProperty.PARTS, new TableProperty.TableParts(
                                Set.of(TableProperty.TablePart.EVEN_COLUMNS)));
        Paragraph odd = new Paragraph("nowhere", look, look, List.of(new Inline.Text("half a pair \uD83D, a mark \u0007, \u2028 and the other \uDE00", look),
                new Inline.Text("not a number", Look.of(TextProperty.RAISE, Double.NaN))));
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(odd)))).withFonts(List.of(new FontFile("Own", true, false,
                true, new byte[] {1, 2, 3})));
        assertKept(document);
    }

    @Test void aPictureThatStandsInManyPlacesIsKeptOnceAndStaysOne() {
        Image image = new Image("image/png", new byte[50_000]);
        Paragraph paragraph = Paragraph.of("").withInlines(List.of(new Inline.InlinePicture(new Picture(image, 10, 10, null), Look.PLAIN),
                new Inline.InlinePicture(new Picture(image, 20, 20, "again"), Look.PLAIN)));
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(paragraph))));
        byte[] kept = written(document);
        assertThat(Archive.parts(kept).keySet()).containsExactly("mimetype", "document.json", "bytes/0");
        List<Inline> read = ((Paragraph) KeptDocument.read(kept, Progress.SILENT).document().blocks().get(0)).inlines();
        assertThat(((Inline.InlinePicture) read.get(0)).picture().image()).isSameAs(((Inline.InlinePicture) read.get(1)).picture().image());
    }

    @Test void everyPropertyThereIsCanBeKept() {
        assertThat(KeptValues.MAPPER).isNotNull();
        Map<Class<?>, Object> samples = Map.of(String.class, "x", Double.class, 1.5, Boolean.class, true, Integer.class, 3);
        for (Class<?> holder : List.of(TextProperty.class, ParagraphProperty.class, TableProperty.class)) {
            List<Field> properties = Stream.of(holder.getFields()).filter(field -> field.getType() == Property.class).toList();
            assertThat(properties).as(holder.getSimpleName()).isNotEmpty();
            for (Field field : properties) assertKept(withProperty(field, samples));
        }
    }

    private static Document withProperty(Field field, Map<Class<?>, Object> samples) {
        try {
            Property<?> property = (Property<?>) field.get(null);
            Object value = property.type().isEnum() ? property.type().getEnumConstants()[1] : samples.get(property.type());
            return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("x").withLook(with(property, value))))));
        } catch (IllegalAccessException e) {
            throw new AssertionError(e);
        }
    }

    private static <T> Look with(Property<T> property, Object value) { return Look.PLAIN.with(property, property.type().cast(value)); }

    @Test void whatIsDamagedIsToldInWordsAndNeverFailsOtherwise() {
        byte[] kept = written(HarbourNotice.document());
        Random random = new Random(5);
        int read = 0;
        for (int i = 0; i < 300; i++) {
            byte[] spoilt = kept.clone();
            for (int n = 1 + random.nextInt(4); n > 0; n--) spoilt[random.nextInt(spoilt.length)] = (byte) random.nextInt();
            try {
                KeptDocument.read(random.nextInt(4) == 0 ? Arrays.copyOf(spoilt, random.nextInt(spoilt.length)) : spoilt, Progress.SILENT);
                read++;
            } catch (DecantException e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
        assertThat(read).isLessThan(300);
        String values = new String(Archive.parts(kept).get("document.json"), StandardCharsets.UTF_8);
        for (int i = 0; i < 400; i++) {
            StringBuilder spoilt = new StringBuilder(values);
            int at = random.nextInt(spoilt.length());
            spoilt.replace(at, Math.min(spoilt.length(), at + random.nextInt(12)), List.of("", "null", "-1", "{}", "\"x\"", "99999", "[", "true")
                    .get(random.nextInt(8)));
            try {
                KeptDocument.read(archive(spoilt.toString()), Progress.SILENT);
            } catch (DecantException e) {
                assertThat(e.kind()).isEqualTo(DecantException.Kind.UNREADABLE);
            }
        }
    }

    @Test void aLaterVersionIsRefusedInWords() {
        String values = new String(Archive.parts(written(Document.empty())).get("document.json"), StandardCharsets.UTF_8);
        assertThatThrownBy(() -> KeptDocument.read(archive(values.replace("\"version\":1", "\"version\":2")), Progress.SILENT))
                .isInstanceOf(DecantException.class)
                .hasMessageContaining("later version");
    }

    @Test void tablesDeepInOneAnotherAreKeptOrRefusedInWords() {
        Document document = Document.empty();
        for (int depth : List.of(60, 4000)) {
            Block block = Paragraph.of("innermost");
            for (int i = 0; i < depth; i++)
                block = new Table(Look.PLAIN, List.of(100.0), List.of(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(block))))));
            Document deep = document.withSections(List.of(Section.PLAIN.withBlocks(List.of(block))));
            try {
                byte[] kept = written(deep);
                assertThat(KeptDocument.read(kept, Progress.SILENT).document().sections()).hasSize(1);
            } catch (DecantException e) {
                assertThat(depth).isGreaterThan(60);
                assertThat(e.getMessage()).contains("nests deeper");
            }
        }
    }

    private static byte[] archive(String values) {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        parts.put("document.json", values.getBytes(StandardCharsets.UTF_8));
        return Archive.packed(KeptDocument.MEDIA_TYPE, parts);
    }

    private static void assertKept(Document document) {
        byte[] kept = written(document);
        assertThat(Formats.of(kept)).isEqualTo(KeptFormat.KEPT);
        assertThat(KeptDocument.read(kept, Progress.SILENT).document().equals(document)).as("%.400s", document).isTrue();
        assertThat(Arrays.equals(written(document), kept)).as("the same bytes").isTrue();
    }

    private static byte[] written(Document document) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            KeptDocument.write(document, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
