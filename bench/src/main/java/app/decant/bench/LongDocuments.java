package app.decant.bench;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Long text documents in the demo company's house style: justified body text with numbered headings, running heads and page numbers. */
final class LongDocuments {
    private LongDocuments() { }

    /** About so many pages; the same each time. */
    static Document pages(int pages) {
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
        }
        Document handbook = PassengerHandbook.document();
        Section like = handbook.sections().get(0);
        return handbook.withSections(List.of(new Section(Section.Start.NEXT_PAGE, like.page(), Section.Columns.ONE, Section.PageNumbering.CONTINUED, like.frames(), false, blocks)));
    }

    private static Paragraph paragraph(String style, String text) { return new Paragraph(style, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(text, Look.PLAIN))); }
}
