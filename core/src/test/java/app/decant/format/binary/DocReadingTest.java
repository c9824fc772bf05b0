package app.decant.format.binary;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Document;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.document.TrackedChanges;
import app.decant.format.FormTold;
import app.decant.format.Formats;
import app.decant.format.Reading;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.CharacterRun;
import org.junit.jupiter.api.Test;

/** What MS-DOC lets files say that our own writer does not; each test names its clause. Files are changed by POI, or laid out byte by byte. */
class DocReadingTest {
    private static Document document(Inline... inlines) {
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(List.of(Paragraph.of("").withInlines(List.of(inlines))))));
    }

    private static Inline.Text text(String text, boolean bold) {
        return new Inline.Text(text, bold ? Look.of(TextProperty.BOLD, true) : Look.PLAIN);
    }

    /** 2.6.1, sprmCFRMarkDel: text that was taken out while changes were tracked comes in as such, and is gone once that is accepted. */
    @Test void deletedTextIsTracked() throws IOException {
        byte[] file = BinaryFormat.DOC.write(document(text("The old", true), text(" pier", false)), Instant.EPOCH).bytes();
        ByteArrayOutputStream changed = new ByteArrayOutputStream();
        try (HWPFDocument poi = new HWPFDocument(new ByteArrayInputStream(file))) {
            CharacterRun run = poi.getRange().getCharacterRun(0);
            assertThat(run.text()).isEqualTo("The old");
            run.markDeleted(true);
            poi.write(changed);
        }
        Document read = Formats.read(changed.toByteArray(), "changed.doc", null, Progress.SILENT).document();
        assertThat(Reading.texts(TrackedChanges.settled(read, true)).get(0)).isEqualTo(" pier");
        assertThat(Reading.texts(TrackedChanges.settled(read, false)).get(0)).isEqualTo("The old pier");
        TrackedChange change = Reading.run(read, "The old").get(TextProperty.TRACKED);
        assertThat(change.isDeletion()).isTrue();
        assertThat(change.insertion()).isNull();
    }

    private static byte[] data(int bits, String name, Integer otherwise, String... choices) {
        ByteBuffer data = ByteBuffer.allocate(1000).order(ByteOrder.LITTLE_ENDIAN);
        data.putInt(0).putShort((short) 0x44).position(0x44);
        data.putInt(0xFFFFFFFF).putShort((short) bits).putShort((short) 0).putShort((short) 20);
        put(data, name);
        if (otherwise == null) put(data, "typed before");
        else data.putShort((short) (int) otherwise);
        for (int i = 0; i < 5; i++) put(data, i == 1 ? "help" : "");
        if (choices.length > 0) {
            data.putShort((short) 0xFFFF).putShort((short) choices.length).putShort((short) 0);
            for (String choice : choices) data.putShort((short) choice.length()).put(choice.getBytes(StandardCharsets.UTF_16LE));
        }
        data.putInt(0, data.position());
        byte[] bytes = new byte[data.position() + 7];
        System.arraycopy(data.array(), 0, bytes, 7, data.position());
        return bytes;
    }

    private static void put(ByteBuffer data, String text) {
        data.putShort((short) text.length()).put(text.getBytes(StandardCharsets.UTF_16LE)).putShort((short) 0);
    }

    /** 2.9.78, FFData: the lowest two bits are the kind, the five above them the result, 25 of which is the default. */
    @Test void boxesAndChoicesAreReadFromTheirData() {
        assertThat(FormReading.of(data(1 | 1 << 2, "Member", 0), 7)).isEqualTo(new FormTold(FormField.Kind.TICK, "Member", List.of(), FormField.TICKED));
        assertThat(FormReading.of(data(1 | 0 << 2, "Member", 1), 7).shown()).isEqualTo(FormField.UNTICKED);
        assertThat(FormReading.of(data(1 | 25 << 2, "Member", 1), 7).shown()).as("as its default says").isEqualTo(FormField.TICKED);
        FormTold list = FormReading.of(data(2 | 25 << 2, "Line", 1, "Ostrey", "Skerrow"), 7);
        assertThat(list).isEqualTo(new FormTold(FormField.Kind.CHOICE, "Line", List.of("Ostrey", "Skerrow"), "Skerrow"));
        assertThat(FormReading.of(data(0, "Name", null), 7)).isEqualTo(new FormTold(FormField.Kind.TEXT, "Name", List.of(), FormField.EMPTY));
    }

    /** Data that lie about their lengths end in nothing, or in what could be read. */
    @Test void brokenDataAreNoForms() {
        byte[] good = data(2 | 1 << 2, "Line", 0, "Ostrey", "Skerrow");
        for (int length = 0; length < good.length; length++) {
            byte[] cut = Arrays.copyOf(good, length);
            FormTold told = FormReading.of(cut, 7);
            if (told != null) assertThat(told.kind()).isEqualTo(FormField.Kind.CHOICE);
        }
        assertThat(FormReading.of(good, -5)).isNull();
        assertThat(FormReading.of(good, 3)).isNull();
        assertThat(FormReading.of(null, 0)).isNull();
    }
}
