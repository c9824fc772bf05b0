package app.decant.proof;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Finding.Weight;
import app.decant.document.Progress;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionURI;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** One page spoiled in known ways, each way in three grades: every one is seen, and the more harm, the lower the score. */
class SpoiledPagesTest {
    private static final String[] WORDS = ("The boat to Skerrow leaves the long pier at noon on every day of the week but Sunday when the mail goes by the "
            + "night crossing and whoever wants to take a car must have asked for it the day before as there is room for nine only").split(" ");

    /** A page that is drawn as its fields say. */
    private static final class Sheet {
        final List<String> lines = new ArrayList<>();
        final List<Integer> colours = new ArrayList<>();
        final List<Boolean> bold = new ArrayList<>();
        double left = 72;
        double size = 11;
        double panel = 90;
        int panelColour = 0x2F6B8A;
        boolean round = true;
        double rules = 6;
        double picture = 120;
        double pictureLeft = 380;
        int links = 3;
        int fields = 3;
        double pale = 0.2;
        double blot;

        Sheet() {
            Random random = new Random(7);
            for (int i = 0; i < 24; i++) {
                StringBuilder line = new StringBuilder();
                for (int k = 0; k < 11; k++) line.append(k == 0 ? "" : " ").append(WORDS[random.nextInt(WORDS.length)]);
                lines.add(line.toString());
                colours.add(0);
                bold.add(i == 0);
            }
        }

        byte[] drawn() {
            try (PDDocument pdf = new PDDocument()) {
                PDPage page = new PDPage(PDRectangle.A4);
                pdf.addPage(page);
                try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                    draw(pdf, out);
                }
                annotations(pdf, page);
                ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                pdf.save(bytes);
                return bytes.toByteArray();
            } catch (IOException e) {
                throw new AssertionError(e);
            }
        }

        private void draw(PDDocument pdf, PDPageContentStream out) throws IOException {
            out.setNonStrokingColor(new Color(panelColour));
            if (panel > 0) out.addRect(60, 720, 475, (float) panel);
            out.fill();
            for (int i = 0; i < rules; i++) {
                out.moveTo(72, 300 - 12 * i);
                out.lineTo(340, 300 - 12 * i);
                out.stroke();
            }
            if (picture > 0) out.drawImage(LosslessFactory.createFromImage(pdf, image()), (float) pictureLeft, 60, (float) picture, (float) picture);
            PDExtendedGraphicsState transparent = new PDExtendedGraphicsState();
            transparent.setNonStrokingAlphaConstant((float) pale);
            out.saveGraphicsState();
            out.setGraphicsStateParameters(transparent);
            text(out, 110, 110, 90, true, 0, "DRAFT");
            out.restoreGraphicsState();
            for (int i = 0; i < lines.size(); i++) text(out, left, 690 - 15 * i, size, bold.get(i), colours.get(i), lines.get(i));
            out.setNonStrokingColor(Color.BLACK);
            if (blot > 0) out.addRect(60, 500, (float) blot, (float) (blot / 4));
            out.fill();
        }

        private BufferedImage image() {
            BufferedImage image = new BufferedImage(120, 120, BufferedImage.TYPE_INT_RGB);
            Graphics2D graphics = image.createGraphics();
            graphics.setColor(Color.WHITE);
            graphics.fillRect(0, 0, 120, 120);
            graphics.setColor(new Color(0x8A5A2F));
            if (round) graphics.fillOval(0, 0, 120, 120);
            else graphics.fillRect(0, 0, 120, 120);
            graphics.dispose();
            return image;
        }

        private static void text(PDPageContentStream out, double x, double y, double size, boolean bold, int rgb, String text) throws IOException {
            out.beginText();
            out.setNonStrokingColor(new Color(rgb));
            out.setFont(new PDType1Font(bold ? FontName.TIMES_BOLD : FontName.TIMES_ROMAN), (float) size);
            out.newLineAtOffset((float) x, (float) y);
            out.showText(text);
            out.endText();
        }

        private void annotations(PDDocument pdf, PDPage page) throws IOException {
            for (int i = 0; i < links; i++) {
                PDAnnotationLink link = new PDAnnotationLink();
                PDActionURI there = new PDActionURI();
                there.setURI("https://ferries.example/" + i);
                link.setAction(there);
                link.setRectangle(new PDRectangle(72, 690 - 30 * i, 200, 12));
                page.getAnnotations().add(link);
            }
            PDAcroForm form = new PDAcroForm(pdf);
            pdf.getDocumentCatalog().setAcroForm(form);
            for (int i = 0; i < fields; i++) {
                PDTextField field = new PDTextField(form);
                field.setPartialName("field" + i);
                PDAnnotationWidget widget = field.getWidgets().get(0);
                widget.setRectangle(new PDRectangle(72, 60 + 20 * i, 200, 14));
                widget.setPage(page);
                page.getAnnotations().add(widget);
                form.getFields().add(field);
            }
        }
    }

    private static Consumer<Sheet> lines(int from, int to, Consumer<Spot> what) {
        return sheet -> IntStream.range(from, to).forEach(i -> what.accept(new Spot(sheet, i)));
    }

    private record Spot(Sheet sheet, int line) {
        void say(String text) { sheet.lines.set(line, text); }
        String text() { return sheet.lines.get(line); }
        void redden() { sheet.colours.set(line, 0xC03020); }
        void embolden() { sheet.bold.set(line, true); }
    }

    private static List<Map.Entry<String, List<Consumer<Sheet>>>> ways() {
        Map<String, List<Consumer<Sheet>>> ways = new LinkedHashMap<>();
        ways.put("words are gone", List.of(lines(5, 6, spot -> spot.say(spot.text().substring(0, spot.text().lastIndexOf(' ')))),
                lines(5, 6, spot -> spot.say(" ")), lines(5, 17, spot -> spot.say(" "))));
        ways.put("words are others", List.of(lines(5, 6, spot -> spot.say(spot.text().replaceFirst("\\w+", "Harbour"))),
                lines(5, 6, spot -> spot.say("Nothing of this was ever there to be read, by anyone at all.")),
                lines(5, 17, spot -> spot.say("Nothing of this was ever there to be read, number " + spot.line))));
        ways.put("lines change places", List.of(sheet -> swap(sheet, 5, 6, 1), sheet -> swap(sheet, 5, 12, 3), sheet -> swap(sheet, 2, 13, 10)));
        ways.put("text has moved", List.of(sheet -> sheet.left += 4, sheet -> sheet.left += 9, sheet -> sheet.left += 60));
        ways.put("text is smaller", List.of(sheet -> sheet.size -= 0.5, sheet -> sheet.size -= 1.5, sheet -> sheet.size -= 4));
        ways.put("text is in another colour", List.of(lines(5, 6, Spot::redden), lines(5, 12, Spot::redden), lines(0, 24, Spot::redden)));
        ways.put("text is bold", List.of(lines(5, 6, Spot::embolden), lines(5, 12, Spot::embolden), lines(1, 24, Spot::embolden)));
        ways.put("a panel is paler, smaller, gone", List.of(sheet -> sheet.panelColour = 0x4C86A4, sheet -> sheet.panel = 45, sheet -> sheet.panel = 0));
        ways.put("rules are gone", List.of(sheet -> sheet.rules = 5, sheet -> sheet.rules = 3, sheet -> sheet.rules = 0));
        ways.put("a picture is square, smaller, gone", List.of(sheet -> sheet.round = false, sheet -> sheet.picture = 60, sheet -> sheet.picture = 0));
        ways.put("a picture has moved", List.of(sheet -> sheet.pictureLeft -= 5, sheet -> sheet.pictureLeft -= 15, sheet -> sheet.pictureLeft -= 50));
        ways.put("pale letters are darker", List.of(sheet -> sheet.pale = 0.35, sheet -> sheet.pale = 0.6, sheet -> sheet.pale = 1));
        ways.put("links are gone", List.of(sheet -> sheet.links = 2, sheet -> sheet.links = 1, sheet -> sheet.links = 0));
        ways.put("fields are gone", List.of(sheet -> sheet.fields = 2, sheet -> sheet.fields = 1, sheet -> sheet.fields = 0));
        ways.put("something lies on the text", List.of(sheet -> sheet.blot = 20, sheet -> sheet.blot = 120, sheet -> sheet.blot = 480));
        return List.copyOf(ways.entrySet());
    }

    private static void swap(Sheet sheet, int one, int other, int count) {
        for (int i = 0; i < count; i++) {
            String line = sheet.lines.get(one + i);
            sheet.lines.set(one + i, sheet.lines.get(other + i));
            sheet.lines.set(other + i, line);
        }
    }

    @ParameterizedTest @MethodSource("ways")
    void theMoreHarmTheLowerTheScore(Map.Entry<String, List<Consumer<Sheet>>> way) {
        byte[] original = new Sheet().drawn();
        List<Double> scores = new ArrayList<>(List.of(compared(original, new Sheet().drawn()).score()));
        assertThat(scores).containsExactly(100.0);
        for (Consumer<Sheet> spoiling : way.getValue()) {
            Sheet sheet = new Sheet();
            spoiling.accept(sheet);
            Comparison comparison = compared(original, sheet.drawn());
            assertThat(comparison.score()).as("%s: %s", way.getKey(), scores).isLessThan(scores.get(scores.size() - 1) - 0.01);
            scores.add(comparison.score());
        }
    }

    @Test void whatIsDrawnIsMissedWhereItWas() {
        Sheet sheet = new Sheet();
        sheet.panel = 0;
        Difference gone = compared(new Sheet().drawn(), sheet.drawn()).differences().stream().filter(one -> one.kind() == Difference.Kind.DRAWING).findFirst()
                .orElseThrow();
        assertThat(gone.sentence()).isEqualTo("What is drawn here is missing.");
        assertThat(gone.weight()).isEqualTo(Weight.LOST);
        assertThat(gone.x()).isBetween(20.0, 80.0);
        assertThat(gone.y()).isBetween(0.0, 60.0);
        assertThat(gone.width()).isGreaterThan(400);
    }

    /** A page that came as a picture can't be edited, which is told by its second number; one whose words were read is never worse. */
    @Test void aPageThatIsOnlyAPictureIsNoHundred() throws IOException {
        byte[] scan = scan();
        Comparison picture = compared(scan, scan);
        assertThat(picture.looks()).isEqualTo(100);
        assertThat(picture.words()).isZero();
        Sheet read = new Sheet();
        assertThat(compared(scan, read.drawn()).score()).isGreaterThanOrEqualTo(picture.score());
    }

    private static byte[] scan() throws IOException {
        BufferedImage image;
        try (Side side = Side.of(new Sheet().drawn(), "a.pdf", null, Progress.SILENT)) {
            image = side.painted(side.text().get(0));
        }
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            pdf.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                out.drawImage(LosslessFactory.createFromImage(pdf, image), 0, 0, 595, 842);
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            pdf.save(bytes);
            return bytes.toByteArray();
        }
    }

    private static Comparison compared(byte[] before, byte[] after) {
        try (Side one = Side.of(before, "a.pdf", null, Progress.SILENT); Side other = Side.of(after, "b.pdf", null, Progress.SILENT)) {
            return Proof.compare(one, other, Progress.SILENT);
        }
    }
}
