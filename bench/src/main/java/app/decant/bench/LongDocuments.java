package app.decant.bench;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;

/** Long text documents in the demo company's house style: justified body text with numbered headings, running heads and page numbers. */
final class LongDocuments {
    private LongDocuments() { }

    /** About so many pages of text; the same each time. */
    static Document pages(int pages) { return pages(pages, 0); }

    /** About so many pages of text with photographs spread over them, none like another. */
    static Document pages(int pages, int photographs) {
        Random random = new Random(1);
        String[] words = new String[6000];
        for (int i = 0; i < words.length; i++) {
            StringBuilder word = new StringBuilder();
            for (int k = 2 + random.nextInt(9); k > 0; k--) word.append((char) ('a' + random.nextInt(26)));
            words[i] = word.toString();
        }
        List<Block> blocks = new ArrayList<>();
        for (int p = 0; p < pages * 8.2; p++) {
            if (p % 30 == 0) blocks.add(paragraph("Heading2", "Part " + p));
            StringBuilder text = new StringBuilder();
            int count = 40 + random.nextInt(30);
            for (int k = 0; k < count; k++) text.append(words[(int) (Math.pow(random.nextDouble(), 2) * words.length)]).append(k < count - 1 ? " " : ".");
            blocks.add(paragraph("BodyText", text.toString()));
            if (photographs > 0 && p % Math.max(1, (int) (pages * 8.2 / photographs)) == 0)
                blocks.add(new Paragraph("BodyText", Look.PLAIN, Look.PLAIN, List.of(new Inline.InlinePicture(photograph(p), Look.PLAIN))));
        }
        Document handbook = PassengerHandbook.document();
        Section like = handbook.sections().get(0);
        return handbook.withSections(List.of(new Section(Section.Start.NEXT_PAGE, like.page(), Section.Columns.ONE, Section.PageNumbering.CONTINUED,
                like.frames(), false, blocks)));
    }

    /** One table of so many rows under a repeated head, four cells each: a timetable as offices keep them. */
    static Document timetable(int rows) {
        Random random = new Random(3);
        List<Table.Row> all = new ArrayList<>();
        for (int r = 0; r <= rows; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < 4; c++) {
                String time = String.format("%02d.%02d", random.nextInt(24), random.nextInt(60));
                String remark = "Not on public holidays, and in rough weather by announcement only";
                String text = c == 0 ? "Crossing " + r : c == 3 && r % 7 == 0 ? remark : time;
                if (r == 0) text = List.of("Crossing", "Leaves", "Arrives", "Remarks").get(c);
                cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(paragraph("BodyText", text))));
            }
            all.add(new Table.Row(r == 0 ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells));
        }
        Document handbook = PassengerHandbook.document();
        return handbook.withSections(List.of(handbook.sections().get(0).withBlocks(List.of(new Table(Look.PLAIN, List.of(120.0, 80.0, 80.0, 170.0), all)))));
    }

    /** 1,200 by 800 pixels of soft hills and grain, about 200 kB as JPEG. */
    private static Picture photograph(int seed) {
        Random random = new Random(seed);
        BufferedImage pixels = new BufferedImage(1200, 800, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 800; y++) {
            for (int x = 0; x < 1200; x++) {
                int shade = (int) (120 + 60 * Math.sin((x + seed) / 90.0) + 40 * Math.cos(y / 70.0 + seed)) + random.nextInt(24);
                pixels.setRGB(x, y, Math.max(0, Math.min(255, shade)) * 0x010101 & 0xF0FFE0);
            }
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(pixels, "jpg", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new Picture(new Image("image/jpeg", bytes.toByteArray()), 240, 160, "Hills " + seed);
    }

    private static Paragraph paragraph(String style, String text) {
        return new Paragraph(style, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(text, Look.PLAIN)));
    }
}
