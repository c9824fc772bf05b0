package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.desktop.station.Station;
import app.decant.document.Document;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextProperty;
import app.decant.page.Page;
import app.decant.pdf.form.FileField;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeoutException;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** The form of a PDF filled in on its pages: by the mouse, by keys alone, undone, and published behind the original's bytes. */
class FormFillingTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;
    private Path form;

    private static Document document() {
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(List.of(line("Owner: ", FormField.Kind.TEXT, "Owner", List.of()),
                line("Line: ", FormField.Kind.CHOICE, "Line", List.of("Ostrey line", "Skerrow line")), line("Wet: ", FormField.Kind.TICK, "Wet", List.of()),
                Paragraph.of("Found things are kept for ninety days.")))));
    }

    private static Paragraph line(String before, FormField.Kind kind, String name, List<String> choices) {
        String shown = kind == FormField.Kind.TICK ? FormField.UNTICKED : FormField.EMPTY;
        Look look = Look.of(TextProperty.FORM, new FormField(name.hashCode(), kind, true, name, choices, null));
        return new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(before, Look.PLAIN), new Inline.Text(shown, look)));
    }

    @BeforeEach void open() throws TimeoutException {
        window = SHARED.window();
        form = Decant.publish(document(), Recipe.PLAIN.with(Recipe.PLAIN.style().fillable(true)), SHARED.own().resolve("request.pdf")).file();
        SHARED.open(form, Station.REVISE);
    }

    private Map<String, String> answers() { return window.desk().document().answers(); }

    private Point2D at(String name) {
        FileField.Place place = window.desk().session().form().field(name).places().get(0);
        double[] frame = window.table().frameOf(place.page(), place);
        return window.table().localToScreen(frame[0] + frame[2] / 2, frame[1] + frame[3] / 2);
    }

    @Test void aClickWritesTicksAndChooses(FxRobot robot) throws TimeoutException, IOException {
        robot.clickOn(at("Owner"));
        until(() -> robot.lookup("#field-pen").tryQuery().filter(Node::isFocused).isPresent());
        robot.write("Marit Holm").push(KeyCode.ENTER);
        Waiting.settle(window);
        robot.clickOn(at("Wet"));
        Waiting.settle(window);
        robot.clickOn(at("Line"));
        robot.clickOn("Skerrow line");
        Waiting.settle(window);
        assertThat(answers()).containsExactlyInAnyOrderEntriesOf(Map.of("Owner", "Marit Holm", "Wet", "On", "Line", "Skerrow line"));
        // What the page shows is what is filled in; a click takes the tick away again.
        BufferedImage filled = painted();
        robot.clickOn(at("Wet"));
        Waiting.settle(window);
        assertThat(answers()).doesNotContainKey("Wet");
        assertThat(differs(filled, painted())).isTrue();
        robot.press(KeyCode.CONTROL).type(KeyCode.Z).release(KeyCode.CONTROL);
        Waiting.settle(window);
        assertThat(answers()).containsEntry("Wet", "On");
        assertThat(differs(filled, painted())).isFalse();
        Path out = SHARED.own().resolve("filled.pdf");
        List<Receipt> receipts = new CopyOnWriteArrayList<>();
        WaitForAsyncUtils.asyncFx(() -> window.desk().publishing().publish(List.of(Map.entry("", Recipe.PLAIN)), Recipe.Passwords.NONE, out,
                receipts::addAll));
        until(() -> !receipts.isEmpty());
        assertThat(Arrays.mismatch(Files.readAllBytes(out), Files.readAllBytes(form))).isEqualTo((int) Files.size(form));
        try (PDDocument pdf = Loader.loadPDF(out.toFile())) {
            assertThat(pdf.getDocumentCatalog().getAcroForm().getField("Owner").getValueAsString()).isEqualTo("Marit Holm");
        }
    }

    private BufferedImage painted() {
        Page page = window.desk().pages().get().page(0);
        return window.desk().session().ground().image(page, 1);
    }

    private static boolean differs(BufferedImage one, BufferedImage other) {
        for (int y = 0; y < one.getHeight(); y++) for (int x = 0; x < one.getWidth(); x++) if (one.getRGB(x, y) != other.getRGB(x, y)) return true;
        return false;
    }

    @Test void keysGoFromFieldToFieldAndEscLeavesThemAsTheyWere(FxRobot robot) throws TimeoutException {
        WaitForAsyncUtils.asyncFx(() -> window.commands().named("form.field").run());
        until(() -> robot.lookup("#field-pen").tryQuery().filter(Node::isFocused).isPresent());
        WaitForAsyncUtils.waitForFxEvents();
        robot.write("Ingrid").push(KeyCode.TAB);
        Waiting.settle(window);
        assertThat(answers()).containsEntry("Owner", "Ingrid");
        // The list, then the box: the space bar sets it.
        robot.push(KeyCode.TAB).push(KeyCode.SPACE);
        Waiting.settle(window);
        assertThat(answers()).containsEntry("Wet", "On");
        robot.push(KeyCode.TAB);
        until(() -> robot.lookup("#field-pen").queryAs(TextField.class).getText().equals("Ingrid"));
        robot.write("Somebody else").push(KeyCode.ESCAPE);
        Waiting.settle(window);
        assertThat(answers()).containsEntry("Owner", "Ingrid");
        assertThat(robot.lookup("#field-pen").tryQuery()).isEmpty();
    }
}
