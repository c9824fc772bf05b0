package app.decant.demo;

import static app.decant.demo.DemoText.body;
import static app.decant.demo.DemoText.list;
import static app.decant.demo.DemoText.paragraph;
import static app.decant.demo.DemoText.table;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section.Columns;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section.PageNumbering;
import app.decant.document.Section;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** A notice of two pages: the works at Grennick Pier. */
public final class HarbourNotice {
    private HarbourNotice() { }

    public static Document document() {
        List<Block> blocks = new ArrayList<>();
        blocks.add(paragraph("Title", "Harbour notice 27").withLook(Look.of(ParagraphProperty.SPACE_BEFORE, 10.0)));
        blocks.add(paragraph("Subtitle", "Works at Grennick Pier, 11 to 29 January 2027"));
        blocks.add(body("The timbers of the outer berth are renewed in January. While the work goes on, ships of the Ostrey line lie at the inner berth, "
                + "which dries out at low water. *Some sailings move by up to forty minutes.* Please look at the table before you set out."));
        blocks.add(unnumbered("What changes"));
        blocks.addAll(list(DemoStyles.BULLET, "Foot passengers board by the inner steps; the covered gangway is closed.",
                "Cars wait in Shore Street, not in the marked lane.", "The ticket window moves to the waiting room.",
                "Bicycles are carried, but not kept overnight."));
        blocks.add(unnumbered("Changed sailings"));
        blocks.add(table(new double[] {113.5, 110, 110, 120}, true,
                new String[] {"Day", "Printed", "Sails at", "Because of"},
                new String[] {"Mon 11 January", "07:00", "07:35", "low water 06:10"},
                new String[] {"Tue 12 January", "08:05", "08:30", "low water 07:05"},
                new String[] {"Thu 14 January", "09:10", "09:50", "low water 08:40"},
                new String[] {"Mon 18 January", "12:25", "11:50", "low water 13:00"},
                new String[] {"Wed 20 January", "14:35", "14:05", "low water 15:10"},
                new String[] {"Fri 22 January", "16:45", "16:20", "low water 17:20"},
                new String[] {"Tue 26 January", "07:00", "07:25", "low water 06:00"}));
        blocks.add(DemoText.gap());
        blocks.add(body("All other sailings are as printed in the winter timetable. If the wind is above twenty-five knots from the south-east, the inner "
                + "berth cannot be used, and ships go to Tolm Head instead; a bus then runs from the post office at Grennick."));
        blocks.add(unnumbered("Deliveries and parcels"));
        blocks.add(body("Parcels are taken in at the back door of the Harbour Office from 07:30 to 15:00. Goods on pallets cannot be landed at Grennick "
                + "from 18 to 22 January; the Skerrow line takes them by arrangement. Fresh fish has the first place in the hold, as always."));
        blocks.add(unnumbered("For residents of Shore Street"));
        blocks.add(body("Piles are driven between 08:00 and 16:00 on weekdays only. The street stays open for walkers. Cars of residents may stand in the "
                + "school yard after 15:30 and over the weekend; the key hangs at number 4. We thank you for your patience, and have asked the pile driver "
                + "for his."));
        blocks.add(body("Questions are answered by [the office](mailto:office@ostreysound.example) and by Ina Tollmark, who looks after the works, on 0555 "
                + "0101."));
        Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
        frames.put(FramePlace.HEADER, List.of(paragraph("Header", "Ostrey Sound Ferries \u00B7 Harbour notice 27")));
        List<Inline> foot = new ArrayList<>(DemoText.inlines("Page "));
        foot.add(new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "1", Look.PLAIN));
        frames.put(FramePlace.FOOTER, List.of(new Paragraph("Footer", Look.PLAIN, Look.PLAIN, foot)));
        Section section = new Section(Section.Start.NEXT_PAGE, PageGeometry.A4, Columns.ONE, PageNumbering.CONTINUED, frames, false, blocks);
        Facts facts = new Facts("Harbour notice 27", "Works at Grennick Pier", "Ostrey Sound Ferries, office", null, "en-GB",
                Instant.parse("2026-11-12T09:00:00Z"), Instant.parse("2026-11-12T09:00:00Z"), Map.of());
        return new Document(facts, DemoStyles.sheet(), DemoStyles.numbering(), List.of(section), false, Document.TAB_WIDTH, List.of());
    }

    private static Paragraph unnumbered(String text) {
        return paragraph("Heading2", text).withLook(Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(null, 0)));
    }
}
