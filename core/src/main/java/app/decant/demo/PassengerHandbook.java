package app.decant.demo;

import static app.decant.demo.DemoText.body;
import static app.decant.demo.DemoText.cell;
import static app.decant.demo.DemoText.gap;
import static app.decant.demo.DemoText.heading;
import static app.decant.demo.DemoText.list;
import static app.decant.demo.DemoText.paragraph;
import static app.decant.demo.DemoText.table;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.ContentsList;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Section.Columns;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section.PageNumbering;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The passenger handbook: three levels of headings, contents, tables, pictures, lists, footnotes, links, running heads, a page in two columns. */
public final class PassengerHandbook {
    private static final PageGeometry PAGE = new PageGeometry(595.3, 841.9, 85, 70.9, 79, 70.9, 42, 38, 0);
    private final List<Block> blocks = new ArrayList<>();

    private PassengerHandbook() { }

    /** The handbook, its contents list filled. */
    public static Document document() {
        PassengerHandbook book = new PassengerHandbook();
        List<Section> sections = new ArrayList<>();
        book.cover();
        book.welcome();
        book.beforeYouTravel();
        book.onTheCrossing();
        sections.add(book.section(Section.Start.NEXT_PAGE, Columns.ONE, true));
        book.lostAndFound();
        sections.add(book.section(Section.Start.CONTINUOUS, new Columns(2, 24, true, List.of()), false));
        book.mobility();
        book.safety();
        book.timetable();
        book.puttingThingsRight();
        book.piers();
        sections.add(book.section(Section.Start.CONTINUOUS, Columns.ONE, false));
        Facts facts = new Facts("Passenger handbook", "Travelling with Ostrey Sound Ferries", "Ostrey Sound Ferries, office",
                "ferry, timetable, fares, safety", "en-GB",
                Instant.parse("2026-10-02T08:00:00Z"), Instant.parse("2026-10-02T08:00:00Z"), Map.of("Company", "Ostrey Sound Ferries"));
        return ContentsList.refreshed(new Document(facts, DemoStyles.sheet(), DemoStyles.numbering(), sections, false, Document.TAB_WIDTH, List.of()));
    }

    private Section section(Section.Start start, Columns columns, boolean first) {
        Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
        if (first) {
            Look right = Look.of(ParagraphProperty.ALIGNMENT, Alignment.END);
            frames.put(FramePlace.HEADER, List.of(paragraph("Header", "Ostrey Sound Ferries \u00B7 Passenger handbook").withLook(right)));
            TabStops stops = new TabStops(List.of(new TabStop(453.5, TabStop.Kind.END, TabStop.Leader.NONE)));
            List<Inline> foot = new ArrayList<>(DemoText.inlines("Valid from 1 November 2026\tPage "));
            foot.add(new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "1", Look.PLAIN));
            foot.add(new Inline.Text(" of ", Look.PLAIN));
            foot.add(new Inline.Field(Inline.Field.Kind.PAGES, "NUMPAGES", "1", Look.PLAIN));
            frames.put(FramePlace.FOOTER, List.of(new Paragraph("Footer", Look.of(ParagraphProperty.TABS, stops), Look.PLAIN, foot)));
            frames.put(FramePlace.FIRST_HEADER, List.of(paragraph("Header", "")));
            frames.put(FramePlace.FIRST_FOOTER, List.of(paragraph("Footer", "Ostrey Sound Ferries, Harbour Office, Grennick Pier")));
        }
        Section section = new Section(start, PAGE, columns, PageNumbering.CONTINUED, frames, first, blocks);
        blocks.clear();
        return section;
    }

    private void cover() {
        blocks.add(picture(DemoPictures.mark(), 84, 84, "The mark of Ostrey Sound Ferries: three waves under a sun"));
        blocks.add(paragraph("Title", "Passenger handbook"));
        blocks.add(paragraph("Subtitle", "Winter 2026 to summer 2027"));
        blocks.add(picture(DemoPictures.ferry(), 453, 196, "The ferry Maid of Ostrey on the crossing to Ostrey"));
        blocks.add(paragraph(DemoStyles.CAPTION, "The _Maid of Ostrey_ on the morning crossing."));
        blocks.add(new Paragraph("Subtitle", Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true), Look.PLAIN, DemoText.inlines("Contents")));
        blocks.add(ContentsList.forLevels(1, 3));
    }

    private static Paragraph picture(Image image, double width, double height, String words) {
        return new Paragraph("Normal", Look.of(ParagraphProperty.KEEP_WITH_NEXT, true), Look.PLAIN,
                List.of(new Inline.InlinePicture(new Picture(image, width, height, words), Look.PLAIN)));
    }

    private void welcome() {
        blocks.add(heading(1, "Welcome aboard", "welcome"));
        blocks.add(body("Ostrey Sound Ferries has carried people, post and provisions between the mainland and the islands of Ostrey and Skerrow since "
                + "1931. Two ships, eleven crew and a small office at Grennick Pier keep three lines open on every day of the year but one.^[No ship sails "
                + "on New Year's Day.]"));
        blocks.add(body("This handbook tells you what to expect: how to book, what you may bring, what happens when the wind is against us, and how to "
                + "reach us when something went wrong. The timetable at the end is the one that hangs at all piers. Where a notice at a pier says "
                + "otherwise, the notice is right."));
        blocks.add(heading(2, "Who we are", "who"));
        blocks.add(body("The company belongs to the people who use it. Every household on Ostrey and Skerrow holds one share, and the board of seven is "
                + "chosen each spring in the hall at Brannoch Quay. The office is open on weekdays from 08:00 to 16:30 and answers the telephone until the "
                + "last ship is in."));
        blocks.add(body("You can write to us at [office@ostreysound.example](mailto:office@ostreysound.example) or look at "
                + "[www.ostreysound.example](https://www.ostreysound.example/) for the state of the crossings, which is renewed every quarter of an hour "
                + "while ships are out."));
        blocks.add(heading(2, "The three lines", "lines"));
        blocks.add(body("The *Ostrey line* runs from Grennick Pier to Ostrey in thirty-five minutes. The *Skerrow line* runs from Tolm Head to Skerrow in "
                + "fifty minutes. The *Inner line* joins the two islands by way of Brannoch Quay and sails on weekdays only."));
        blocks.add(picture(DemoPictures.chart(), 453, 266, "A chart of Ostrey Sound with the piers and the three ferry lines"));
        blocks.add(paragraph(DemoStyles.CAPTION, "Chart 1. Ostrey Sound, its five piers and three lines. Not for navigation."));
    }

    private void beforeYouTravel() {
        blocks.add(heading(1, "Before you travel", "before"));
        blocks.add(heading(2, "Tickets and fares", "tickets"));
        blocks.add(body("Tickets are sold at the pier offices until five minutes before departure, on board for a small addition, and by post. A return "
                + "ticket is valid for thirty days from the day it was first used. Children under five travel free on an adult's lap; those under sixteen "
                + "pay half."));
        blocks.add(table(new double[] {173.5, 70, 70, 70, 70}, false,
                new String[] {"Fares in crowns", "Single", "Return", "Ten trips", "Month"},
                new String[] {"Ostrey line, adult", "6.40", "11.60", "52.00", "94.00"},
                new String[] {"Ostrey line, under sixteen", "3.20", "5.80", "26.00", "47.00"},
                new String[] {"Skerrow line, adult", "8.20", "14.80", "66.00", "118.00"},
                new String[] {"Skerrow line, under sixteen", "4.10", "7.40", "33.00", "59.00"},
                new String[] {"Inner line, all", "2.50", "4.50", "20.00", "36.00"}));
        blocks.add(gap());
        blocks.add(heading(3, "Residents", "residents"));
        blocks.add(body("Residents of the islands travel at two thirds of the fare with the blue card. The card is made while you wait at Grennick Pier; "
                + "bring a letter with your address that is not older than three months. It is valid for five years and for one person only."));
        blocks.add(heading(3, "Groups and schools", "groups"));
        blocks.add(body("Groups of ten or more pay the fare of nine tenths if they book two working days ahead. Schools of both islands travel free on two "
                + "days a year. Tell us the number of adults and children, and whether anyone needs the level ramp; see [Mobility and "
                + "assistance](#mobility)."));
        blocks.add(heading(2, "Luggage and bicycles", "luggage"));
        blocks.add(body("Each passenger may bring two pieces of luggage without charge. Larger pieces travel on the car deck and are handed to the crew at "
                + "the ramp at least fifteen minutes before departure. Bicycles are carried free on all sailings except the 07:40 and 17:15 from Grennick "
                + "Pier, when six places can be booked at the office."));
        blocks.add(table(new double[] {253.5, 100, 100}, false,
                new String[] {"Carried on board", "Single", "Return"},
                new String[] {"Bicycle", "free", "free"},
                new String[] {"Trailer or cargo cycle", "4.50", "8.00"},
                new String[] {"Kayak up to 4 m", "6.00", "11.00"},
                new String[] {"Kayak above 4 m, by arrangement", "9.00", "16.00"}));
        blocks.add(gap());
        blocks.add(heading(2, "Travelling with animals", "animals"));
        blocks.add(body("Dogs travel on a lead on the open deck and in the aft saloon. Assistance dogs are welcome everywhere. Other animals travel in a "
                + "carrier that fits under a seat; please tell the crew when you board so that the two quiet benches by the lee door can be kept for you."));
        blocks.addAll(list(DemoStyles.BULLET, "Water bowls are kept at the foot of the stairs.", "Horses and livestock need a booking two days ahead.",
                "The crew may ask for a muzzle in a full saloon."));
        blocks.add(heading(2, "Vehicles", "vehicles"));
        blocks.add(body("The _Maid of Ostrey_ carries fourteen cars or the same length in vans; the smaller _Grey Seal_ carries none. Come to the marked "
                + "lane twenty minutes before departure, switch the engine off when the crew asks, and leave the car in gear with the brake on. Nobody "
                + "stays on the car deck during the crossing."));
        blocks.addAll(list(DemoStyles.NUMBER, "Book a place for the vehicle by telephone or at the pier office.",
                "Give its length with everything that sticks out, and its height if it is above 2.10 m.",
                "Be in the lane twenty minutes ahead; places that are not taken up by then are given to those who wait.",
                "Follow the crew's hand signs at the ramp, not the car in front."));
    }

    private void onTheCrossing() {
        blocks.add(heading(1, "On the crossing", "crossing"));
        blocks.add(heading(2, "Boarding", "boarding"));
        Picture seal = new Picture(DemoPictures.ferry(), 170, 74, "The ferry seen from the pier");
        Anchor beside = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.MARGIN, Alignment.END, 0),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 3), Anchor.Wrap.SQUARE, new Insets(2, 0, 4, 10), false);
        List<Inline> inlines = new ArrayList<>();
        inlines.add(new Inline.Floating(beside, seal, Look.PLAIN));
        inlines.addAll(DemoText.inlines("Boarding begins ten minutes before departure and ends two minutes before, when the ramp is raised. Foot "
                + "passengers use the covered gangway on the left; cyclists and everyone with wheels use the ramp after the cars. Keep your ticket at "
                + "hand: it is checked once, at the foot of the gangway, and again only if you move from the open deck to the saloon in rough weather. If "
                + "the ship is full, the crew counts aloud and stops at the number on the brass plate. Nobody is left behind on the last sailing of the "
                + "day; the _Grey Seal_ then makes a second trip."));
        blocks.add(new Paragraph(DemoStyles.BODY, Look.PLAIN, Look.PLAIN, inlines));
        blocks.add(body("Hot drinks and rolls are sold in the forward saloon while the ship is under way. The aft saloon is quiet: please take calls "
                + "outside. Both saloons are heated from October to April, and blankets for the open deck lie in the chest beside the wheelhouse stairs."));
        blocks.add(heading(2, "In rough weather", "weather"));
        blocks.add(body("When the wind at Tolm Head is above thirty knots the master may cancel, shorten or turn back. Notices are hung at all piers and "
                + "are read out by the office; a ticket stays good for thirty days.^[The wind is read from the mast at Tolm Head, ten metres above the "
                + "ground, as the mean of ten minutes.] The master's word is final, and nobody in the office will try to change it."));
        TextBox box = new TextBox(List.of(paragraph(DemoStyles.CELL_HEAD, "If we turn back"),
                paragraph(DemoStyles.CELL, "Stay seated until the ship lies still. The crew tells you when the next sailing is planned and stamps your "
                + "ticket so that it costs you nothing.")), 165, 96, true,
                new Insets(6, 8, 6, 8), Border.single(1, DemoStyles.HARBOUR_BLUE), DemoStyles.FOAM);
        Anchor aside = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.MARGIN, Alignment.START, 0),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 4), Anchor.Wrap.SQUARE, new Insets(2, 12, 6, 0), false);
        List<Inline> warned = new ArrayList<>();
        warned.add(new Inline.Floating(aside, box, Look.PLAIN));
        warned.addAll(DemoText.inlines("Sailings are looked at again every two hours. If the morning ship does not sail, the office opens the waiting room "
                + "at Grennick Pier, where there is a stove, a kettle and the better half of a library. Those who must reach the mainland for a hospital "
                + "visit should say so at once: the lifeboat crew has never yet refused to help, and the office keeps their number beside the telephone. "
                + "Parcels and post wait under cover and go with the first ship that does sail. Perishable goods can be fetched back by their sender until "
                + "the ramp is raised."));
        blocks.add(new Paragraph(DemoStyles.BODY, Look.PLAIN, Look.PLAIN, warned));
        blocks.add(paragraph(DemoStyles.NOTE_BOX,
                "*Good to know.* Sit low and in the middle, look at the horizon, and take the tablets an hour before, not after. The crew has ginger "
                + "biscuits and does not laugh."));
        blocks.add(heading(2, "Lost and found on board", "lost"));
        blocks.add(body("What is found on board is kept at Grennick Pier for ninety days. In the last year the office kept the things below; those marked "
                + "with a star were never fetched."));
    }

    private void lostAndFound() {
        blocks.addAll(list(DemoStyles.BULLET, "umbrellas and hats", "keys and cards", "pushchairs *\u2217*", "walking sticks",
                "one tuba in its case *\u2217*", "school bags", "telephones", "spectacles", "fishing rods",
                "instruments, other", "a wedding cake, top tier", "letters ready for the post"));
    }

    private void mobility() {
        blocks.add(heading(2, "Mobility and assistance", "mobility"));
        blocks.add(body("Wheelchair users board first by the level ramp at Grennick and Tolm. Please ring the office the day before, so that the crew can "
                + "bring the wide gangway. Two spaces are kept on the main deck, beside the door and out of the draught."));
        List<Table.Row> rows = new ArrayList<>();
        rows.add(new Table.Row(Look.of(TableProperty.HEADER_ROW, true).with(TableProperty.KEEP_ROW, true),
                List.of(cell(0, 1, 1, true, false, "Pier"), cell(1, 2, 1, true, false, "Step-free way"), cell(3, 1, 1, true, false, "Waiting room"))));
        rows.add(row(cell(0, 1, 1, false, false, "Grennick Pier"), cell(1, 1, 1, false, false, "ramp"),
                cell(2, 1, 2, false, false, "wide gangway on request"), cell(3, 1, 1, false, false, "heated, with toilet")));
        rows.add(row(cell(0, 1, 1, false, false, "Tolm Head"), cell(1, 1, 1, false, false, "ramp"), cell(3, 1, 1, false, false, "heated")));
        rows.add(row(cell(0, 1, 1, false, false, "Ostrey"),
                cell(1, 2, 1, false, false, "ramp at half tide and above^[Half tide is shown by the white mark on the outer pile.]"),
                cell(3, 1, 1, false, false, "sheltered")));
        rows.add(row(cell(0, 1, 1, false, false, "Skerrow"), cell(1, 2, 1, false, false, "by arrangement with the crew"),
                cell(3, 1, 1, false, false, "sheltered")));
        blocks.add(table(new double[] {103.5, 90, 150, 110}, rows));
        blocks.add(gap());
        blocks.add(body("A hearing loop is fitted in the aft saloon and at the ticket window of Grennick Pier. This handbook is to be had in large print "
                + "and read aloud; ask the office, or find it at [www.ostreysound.example/handbook](https://www.ostreysound.example/handbook)."));
    }

    private static Table.Row row(Table.Cell... cells) { return new Table.Row(Look.of(TableProperty.KEEP_ROW, true), List.of(cells)); }

    private void safety() {
        blocks.add(heading(1, "Safety", "safety"));
        blocks.add(body("Safety comes before the timetable. Everyone on board does a short drill on the first sailing of each month; it takes four "
                + "minutes, and your patience is part of it."));
        blocks.add(heading(2, "Muster points", "muster"));
        blocks.add(body("There are two muster points on the _Maid of Ostrey_ and one on the _Grey Seal_. They are marked with a white sign on green and "
                + "lit at all times. When the bell rings seven times short and once long, leave what you carry and go there by the nearest stairs."));
        for (String step : new String[] {"Walk; do not run. Hold the rail.", "Take a life jacket from the chest at the muster point.",
                "Children's jackets are in the chest with the yellow lid.", "Put it on before you help others, and tie both tapes at the front.",
                "Answer when your group is counted.", "Do not inflate it before you are outside."}) {
            blocks.add(paragraph(DemoStyles.NUMBER, step).withLook(Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(DemoStyles.MORE_STEPS,
                    0))));
        }
        blocks.add(heading(2, "Life jackets", "jackets"));
        blocks.add(body("There are life jackets for one person in ten more than the ship may carry. They are looked over each spring and after every use. "
                + "If you find one that is torn, or a chest that does not open at the first pull, tell the nearest member of the crew; that is no nuisance "
                + "but a kindness."));
        blocks.add(heading(3, "How they are worn", "worn"));
        blocks.add(body("The jacket goes over the head with the light on the left. Pass the tapes once round, cross them at the back if they are long "
                + "enough, and tie them in front with a bow. Adults over 43 kg wear the orange size; all others the yellow. Infants' jackets are handed "
                + "out by the crew."));
        blocks.add(heading(3, "What is checked, and when", "checked"));
        blocks.add(table(new double[] {153.5, 150, 150}, true,
                new String[] {"Thing", "Checked", "By"},
                new String[] {"Life jackets, all sizes", "each spring, and after use", "mate"},
                new String[] {"Life rafts", "every year, ashore", "maker's agent"},
                new String[] {"Fire hoses and pump", "each Monday", "engineer"},
                new String[] {"Bell and loudspeakers", "each morning", "master"},
                new String[] {"Emergency lights", "each Friday after dark", "engineer"},
                new String[] {"First aid chest", "first of the month", "mate"}));
        blocks.add(gap());
        blocks.add(heading(2, "Fire and smoke", "fire"));
        blocks.add(body("Smoking is allowed on the open deck aft of the funnel and nowhere else. If you see smoke or smell burning, press the nearest red "
                + "button and tell the crew; do not open a door that is warm to the touch. Gas cylinders travel on the car deck only, upright, closed and "
                + "named to the crew."));
    }

    private void timetable() {
        blocks.add(heading(1, "Timetable, winter", "timetable"));
        blocks.add(body("Valid from 1 November 2026 to 27 March 2027. Sailings marked _w_ run on weekdays only; sailings marked _s_ on Saturdays and the "
                + "eves of holidays. Crossing times are given under [The three lines](#lines)."));
        blocks.add(heading(2, "Ostrey line", "ostreyline"));
        List<String[]> rows = new ArrayList<>();
        rows.add(new String[] {"Grennick Pier", "Ostrey", "Ship", "Remarks"});
        int minute = 6 * 60 + 10;
        String[] remarks = {"w, post", "", "w, no bicycles", "", "", "s", "", "school days", "", "", "w, no bicycles", "", "", "s", "last sailing"};
        for (int i = 0; i < remarks.length; i++) {
            rows.add(new String[] {clock(minute), clock(minute + 35), i % 4 == 3 ? "Grey Seal" : "Maid of Ostrey", remarks[i]});
            minute += i % 3 == 0 ? 50 : 65;
        }
        blocks.add(table(new double[] {110, 110, 120, 113.5}, true, rows.toArray(new String[0][])));
        blocks.add(gap());
        blocks.add(heading(2, "Skerrow line", "skerrowline"));
        blocks.add(body("The Skerrow line waits up to ten minutes for the bus from Hallam Cross. In fog it may leave from the inner berth; follow the "
                + "lanterns."));
        List<String[]> skerrow = new ArrayList<>();
        skerrow.add(new String[] {"Tolm Head", "Skerrow", "Back at Tolm Head", "Remarks"});
        minute = 7 * 60 + 5;
        for (int i = 0; i < 9; i++) {
            skerrow.add(new String[] {clock(minute), clock(minute + 50), clock(minute + 115), i == 0 ? "w, post" : i == 8 ? "last sailing" : i % 4 == 2 ? "s"
                    : ""});
            minute += i % 2 == 0 ? 75 : 95;
        }
        blocks.add(table(new double[] {110, 110, 120, 113.5}, true, skerrow.toArray(new String[0][])));
        blocks.add(gap());
        blocks.add(heading(2, "Inner line", "innerline"));
        blocks.add(body("From Ostrey to Brannoch Quay and Skerrow on weekdays at 09:15, 12:45 and 16:05; back from Skerrow at 10:30, 14:00 and 17:20. The "
                + "Inner line carries foot passengers, bicycles and small parcels. It does not sail when the Skerrow line is cancelled."));
    }

    private static String clock(int minutes) { return String.format(Locale.ROOT, "%02d:%02d", minutes / 60 % 24, minutes % 60); }

    private void puttingThingsRight() {
        blocks.add(heading(1, "Putting things right", "right"));
        blocks.add(body("Things go wrong. When they do, we would rather hear of it from you than about it from your neighbour. Write, ring, or tell any "
                + "member of the crew; each of them carries the small yellow pad for the purpose."));
        blocks.add(heading(2, "Late and cancelled sailings", "late"));
        blocks.add(body("If we are more than an hour late, you get half your fare back; if we do not sail at all, all of it. Fill in the form at the pier "
                + "office or send your ticket by post. You need not give a reason, and the answer comes within ten working days."));
        blocks.addAll(list(DemoStyles.BULLET, "More than one hour late: half the fare."));
        blocks.add(new Paragraph(DemoStyles.BULLET, Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(DemoStyles.BULLETS, 1)), Look.PLAIN,
                DemoText.inlines("for return tickets, half of that way's share")));
        blocks.add(new Paragraph(DemoStyles.BULLET, Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(DemoStyles.BULLETS, 1)), Look.PLAIN,
                DemoText.inlines("for month tickets, one thirtieth for each day")));
        blocks.addAll(list(DemoStyles.BULLET, "Cancelled: the whole fare, or another sailing.",
                "Missed bus at Hallam Cross: a taxi, if the ship was to blame."));
        blocks.add(heading(2, "Damage and loss", "damage"));
        blocks.add(body("What you hand to the crew is in our care until you have it back. We are answerable up to 400 crowns for a piece of luggage and "
                + "1,500 crowns for a bicycle; declare dearer things at the office, where they are written into the book against a small fee. Claims are "
                + "made within seven days."));
        blocks.add(heading(2, "Still not content", "content"));
        blocks.add(body("The board hears complaints on the first Thursday of each month at 19:00 in the hall at Brannoch Quay. You may bring a friend to "
                + "speak for you. If the board cannot settle it, the harbour commissioners can; their word binds us but not you."));
    }

    private void piers() {
        blocks.add(heading(1, "Index of piers", "piers"));
        blocks.add(table(new double[] {113.5, 120, 110, 110}, true,
                new String[] {"Pier", "Office", "Telephone", "Open"},
                new String[] {"Grennick Pier", "Harbour Office", "0555 0101", "06:00 to 21:30"},
                new String[] {"Tolm Head", "Keeper's house", "0555 0102", "06:45 to 20:00"},
                new String[] {"Ostrey", "Post office", "0555 0103", "07:00 to 18:00"},
                new String[] {"Skerrow", "Shop", "0555 0104", "08:00 to 18:00"},
                new String[] {"Brannoch Quay", "Hall", "0555 0105", "weekdays"}));
        blocks.add(gap());
        blocks.add(body("This handbook was made at the Harbour Office in October 2026. Tell us what is missing, and it will be in the next one."));
    }
}
