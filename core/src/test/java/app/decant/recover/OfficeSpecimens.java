package app.decant.recover;

import static app.decant.recover.Specimen.Trait.BOOKLET;
import static app.decant.recover.Specimen.Trait.CENTRED_HEADS;
import static app.decant.recover.Specimen.Trait.COLOURED_HEADS;
import static app.decant.recover.Specimen.Trait.INDENTED;
import static app.decant.recover.Specimen.Trait.JUSTIFIED;
import static app.decant.recover.Specimen.Trait.SANS;
import static app.decant.recover.Specimen.Trait.SERIF_HEADS;
import static app.decant.recover.Specimen.Trait.TURNED;
import static app.decant.recover.Specimens.FOOT;
import static app.decant.recover.Specimens.HEAD;
import static app.decant.recover.Specimens.TITLES;

import app.decant.recover.Specimen.Address;
import app.decant.recover.Specimen.Caption;
import app.decant.recover.Specimen.Dated;
import app.decant.recover.Specimen.Defined;
import app.decant.recover.Specimen.Flow;
import app.decant.recover.Specimen.Frame;
import app.decant.recover.Specimen.Grid;
import app.decant.recover.Specimen.Head;
import app.decant.recover.Specimen.Item;
import app.decant.recover.Specimen.Lines;
import app.decant.recover.Specimen.Linked;
import app.decant.recover.Specimen.Manner;
import app.decant.recover.Specimen.NewPage;
import app.decant.recover.Specimen.Panel;
import app.decant.recover.Specimen.Para;
import app.decant.recover.Specimen.Pic;
import app.decant.recover.Specimen.Piece;
import app.decant.recover.Specimen.Quote;
import app.decant.recover.Specimen.Toc;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** More layouts: what lies in the drawers of an office, in the manners that one sees there. */
final class OfficeSpecimens {
    private final Random random;
    private final List<Piece> pieces = new ArrayList<>();

    private OfficeSpecimens(int seed) { random = new Random(seed); }

    static List<Specimen> all() {
        return List.of(minutes(), invoice(), contract(), flowingColumns(), newsletter(), bookTable(), memo(), agenda(), questions(), glossary(), novel(),
                notice(), smallPrint(), weekTimetable(), wrappedCells(), verses(), installation(), dashes(), romans(), threeLevels(), colouredHeads(),
                captions(), panels(), deepContents(), booklet(), pressRelease(), shadedTable(), references());
    }

    static List<Specimen> toLookInto() {
        return List.of(stores(), crewList(), warnings(), houseRules(), checklist(), berths(), accounts(), sailings(), tides(), watches(), paints(), charges());
    }

    private OfficeSpecimens add(Piece... more) {
        pieces.addAll(List.of(more));
        return this;
    }

    private OfficeSpecimens head(int level, String text) { return add(new Head(level, text, false)); }
    private String prose(int sentences) { return Specimens.prose(random, sentences); }
    private OfficeSpecimens para(int sentences) { return add(new Para(prose(sentences))); }
    private Specimen named(String name, String head, String foot, Manner manner) { return new Specimen(name, head, foot, manner, pieces); }

    private static Specimen minutes() {
        OfficeSpecimens it = new OfficeSpecimens(21).head(1, "Minutes of the crew meeting");
        it.add(new Dated("Date", "12 November 2026, at the harbour office"), new Dated("Present", "A. Example, B. Sample, C. Instance, D. Model, E. Case and "
                + "the whole of the night watch of the Skerrow line"), new Dated("Absent", "F. Type"));
        for (int i = 1; i <= 4; i++) {
            it.head(2, i + ". " + TITLES[i + 2]).para(3).para(2);
            it.add(new Defined("Action:", it.prose(1)));
        }
        List<List<String>> rows = new ArrayList<>(List.of(List.of("No.", "What", "Who", "Until")));
        for (int i = 1; i <= 5; i++) rows.add(List.of(String.valueOf(i), TITLES[i + 4], "B. Sample", (i + 2) + " December"));
        it.head(2, "Actions").add(new Grid(Frame.RULED, List.of(40.0, 200.0, 110.0, 100.0), rows));
        return it.named("minutes", HEAD, FOOT, Manner.of(11, SANS));
    }

    private static Specimen invoice() {
        OfficeSpecimens it = new OfficeSpecimens(22).add(new Address(List.of("Ostrey Sound Ferries", "2 Quay Street", "Ostrey")),
                new Address(List.of("Skerrow Fish Farm", "Mr B. Sample", "1 Sound Road", "Skerrow")));
        it.head(1, "Invoice 2026-0417").add(new Para("For the carriage of goods in October we charge you as follows."));
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Date", "What was carried", "Number", "Price", "Sum")));
        for (int i = 1; i <= 9; i++) rows.add(List.of((i * 3) + " October", i % 2 == 0 ? "Crates of salmon" : "Pallets of feed", String.valueOf(i),
                "12.50", String.format("%.2f", i * 12.5)));
        rows.add(List.of("Total", "", "", "", "562.50"));
        it.add(new Grid(Frame.BOOK, List.of(80.0, 160.0, 60.0, 60.0, 80.0), rows), new Para("Please pay within thirty days, and tell us the number of the "
                + "invoice when you do."), new Para("With kind regards,"), new Address(List.of("The accounts office")));
        return it.named("invoice", null, FOOT, Manner.of(10, SANS));
    }

    private static Specimen contract() {
        OfficeSpecimens it = new OfficeSpecimens(23).head(1, "Agreement on the use of the north pier").para(2);
        for (int i = 1; i <= 5; i++) {
            it.head(2, i + " " + TITLES[i + 1]);
            for (int k = 1; k <= 3; k++) {
                it.add(new Item(0, i + "." + k, it.prose(2)));
                if (k == 2) for (char c = 'a'; c <= 'c'; c++) it.add(new Item(1, "(" + c + ")", it.prose(1)));
            }
        }
        return it.named("contract", null, FOOT, Manner.of(11, JUSTIFIED, SERIF_HEADS));
    }

    private static Specimen flowingColumns() {
        OfficeSpecimens it = new OfficeSpecimens(24);
        for (int i = 1; i <= 5; i++) it.head(2, TITLES[i]).para(6).para(5).para(4);
        Flow flow = new Flow(2, it.pieces);
        return new Specimen("text flowing in two columns", HEAD, FOOT, Manner.of(10, JUSTIFIED), List.of(new Head(1, "What changed this year", false), flow));
    }

    private static Specimen newsletter() {
        OfficeSpecimens it = new OfficeSpecimens(25);
        for (int i = 1; i <= 4; i++) it.head(2, TITLES[i + 6]).para(4).add(new Pic(120, 70)).para(4);
        return new Specimen("newsletter in three columns", null, FOOT, Manner.of(9, SANS, COLOURED_HEADS),
                List.of(new Head(1, "The Sound, winter issue", false), new Flow(3, it.pieces)));
    }

    private static Specimen bookTable() {
        OfficeSpecimens it = new OfficeSpecimens(26).head(1, "Price list").para(3);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Article", "Unit", "Price")));
        for (String article : List.of("Rope, twelve millimetres", "Rope, sixteen millimetres", "Fender, small", "Fender, large", "Life jacket", "Flare"))
            rows.add(List.of(article, article.startsWith("Rope") ? "metre" : "piece", (3 + it.random.nextInt(90)) + "." + (10 + it.random.nextInt(89))));
        it.add(new Grid(Frame.BOOK, List.of(220.0, 90.0, 80.0), rows)).para(4).head(2, "How to order").para(3);
        return it.named("price list", HEAD, null, Manner.of(11, JUSTIFIED, SERIF_HEADS));
    }

    private static Specimen memo() {
        OfficeSpecimens it = new OfficeSpecimens(27).head(1, "Memo");
        it.add(new Dated("To", "All crews"), new Dated("From", "The harbour office"), new Dated("About", "Ramps in frost"));
        it.para(4).add(new Item(0, "•", it.prose(1)), new Item(0, "•", it.prose(2)), new Item(0, "•", it.prose(1))).para(3);
        return it.named("memo", null, null, Manner.of(12, SANS));
    }

    private static Specimen agenda() {
        OfficeSpecimens it = new OfficeSpecimens(28).head(1, "Open day at the yard");
        for (int hour = 9; hour <= 16; hour++) it.add(new Dated(hour + ":30", hour % 3 == 0 ? it.prose(2) : TITLES[hour - 6] + " on the quay"));
        return it.named("agenda", HEAD, null, Manner.of(11, COLOURED_HEADS, SANS));
    }

    private static Specimen questions() {
        OfficeSpecimens it = new OfficeSpecimens(29).head(1, "Questions people ask").para(2);
        for (int i = 0; i < 6; i++) it.head(2, "May I take " + List.of("a dog", "two bicycles", "a boat", "fuel", "a piano", "bees").get(i) + " with me?")
                .para(2 + i % 3);
        return it.named("questions and answers", null, FOOT, Manner.of(10.5));
    }

    private static Specimen glossary() {
        OfficeSpecimens it = new OfficeSpecimens(30).head(1, "Words of the sea");
        for (String term : List.of("Bollard.", "Ebb.", "Fairlead.", "Gunwale.", "Lee side.", "Muster list.", "Neap tide.", "Warp."))
            it.add(new Defined(term, it.prose(2)));
        return it.named("glossary", HEAD, FOOT, Manner.of(10, JUSTIFIED));
    }

    private static Specimen novel() {
        OfficeSpecimens it = new OfficeSpecimens(31);
        for (int i = 1; i <= 3; i++) {
            it.head(1, TITLES[i + 3]);
            for (int k = 0; k < 7; k++) it.para(3 + it.random.nextInt(6));
        }
        return it.named("book text with indented first lines", HEAD, FOOT, Manner.of(11, JUSTIFIED, INDENTED, SERIF_HEADS, CENTRED_HEADS));
    }

    private static Specimen notice() {
        OfficeSpecimens it = new OfficeSpecimens(32).head(1, "No boats on Friday").para(1).para(2);
        it.add(new Item(0, "•", "Ostrey to Skerrow"), new Item(0, "•", "Skerrow to Hallin"), new Para("We are sorry."));
        return it.named("notice in large letters", null, null, Manner.of(18, SANS, CENTRED_HEADS));
    }

    private static Specimen smallPrint() {
        OfficeSpecimens it = new OfficeSpecimens(33);
        for (int i = 1; i <= 8; i++) it.head(2, i + " " + TITLES[i]).para(4).para(5);
        return new Specimen("conditions in small print", null, FOOT, Manner.of(7.5, JUSTIFIED, SANS),
                List.of(new Head(1, "General conditions", false), new Flow(2, it.pieces)));
    }

    private static Specimen weekTimetable() {
        OfficeSpecimens it = new OfficeSpecimens(34).head(1, "All boats, all days");
        List<List<String>> rows = new ArrayList<>();
        List<Double> widths = new ArrayList<>(List.of(90.0));
        List<String> heads = new ArrayList<>(List.of("Pier"));
        for (int i = 1; i <= 12; i++) {
            heads.add("OS " + i);
            widths.add(48.0);
        }
        rows.add(heads);
        for (String pier : List.of("Ostrey", "Skerrow", "Hallin", "Brae", "Innis", "North Innis", "Long Sound", "Little Skerrow", "The Calf")) {
            List<String> row = new ArrayList<>(List.of(pier));
            for (int i = 0; i < 12; i++) row.add((6 + i) + ":" + (10 + it.random.nextInt(49)));
            rows.add(row);
        }
        return it.add(new Grid(Frame.SHADED, widths, rows)).named("timetable on its side", null, null, Manner.of(9, SANS, TURNED));
    }

    private static Specimen wrappedCells() {
        OfficeSpecimens it = new OfficeSpecimens(35).head(1, "Who does what").para(2);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Post", "Duties", "When")));
        for (String who : List.of("Skipper", "Mate", "Deckhand", "Purser", "Engineer")) rows.add(List.of(who, it.prose(2), it.prose(1)));
        return it.add(new Grid(Frame.RULED, List.of(80.0, 220.0, 150.0), rows)).para(3).named("table of long texts", HEAD, FOOT, Manner.of(10));
    }

    private static Specimen verses() {
        OfficeSpecimens it = new OfficeSpecimens(36).head(1, "Songs for the crossing").para(2);
        for (int i = 0; i < 3; i++) it.add(new Lines(List.of("The boat goes out, the boat comes in,", "the gulls are on the rail,",
                "the kettle sings below the deck", "and no one needs a sail."))).add(new Quote(it.prose(3)));
        return it.para(3).named("verses and quotations", null, FOOT, Manner.of(12, SERIF_HEADS));
    }

    private static Specimen installation() {
        OfficeSpecimens it = new OfficeSpecimens(37).head(1, "Rigging the gangway").para(2);
        for (int i = 1; i <= 4; i++) {
            it.add(new Item(0, i + ".", it.prose(2)));
            if (i % 2 == 0) it.add(new Item(1, "•", it.prose(1)), new Item(1, "•", it.prose(1)));
            if (i == 3) it.add(new Pic(200, 90));
        }
        return it.para(2).named("steps with a picture", HEAD, FOOT, Manner.of(11, SANS, COLOURED_HEADS));
    }

    private static Specimen dashes() {
        OfficeSpecimens it = new OfficeSpecimens(38).head(1, "What to bring").para(2);
        for (int i = 0; i < 6; i++) it.add(new Item(0, "–", it.prose(1 + i % 3)));
        return it.para(2).named("list with dashes", null, null, Manner.of(11, JUSTIFIED));
    }

    private static Specimen romans() {
        OfficeSpecimens it = new OfficeSpecimens(39).head(1, "Rights of passengers").para(2);
        String[] roman = {"(i)", "(ii)", "(iii)", "(iv)", "(v)", "(vi)"};
        for (String label : roman) it.add(new Item(0, label, it.prose(2)));
        return it.para(2).named("list with roman numbers", HEAD, FOOT, Manner.of(11, JUSTIFIED, SERIF_HEADS));
    }

    private static Specimen threeLevels() {
        OfficeSpecimens it = new OfficeSpecimens(40);
        for (int i = 0; i < 3; i++) {
            it.head(1, TITLES[i]).para(2);
            for (int k = 0; k < 2; k++) {
                it.head(2, TITLES[3 + i * 2 + k]).para(3);
                it.head(3, "On " + TITLES[9 + k].toLowerCase() + " in particular").para(3).para(2);
            }
        }
        return it.named("headings of three levels", HEAD, FOOT, Manner.of(11));
    }

    private static Specimen colouredHeads() {
        OfficeSpecimens it = new OfficeSpecimens(41).head(1, "A year on the water").para(4);
        for (int i = 0; i < 5; i++) it.head(2, TITLES[i + 5]).para(4).para(3);
        return it.named("coloured headings in the middle", null, FOOT, Manner.of(11, SANS, COLOURED_HEADS, CENTRED_HEADS));
    }

    private static Specimen captions() {
        OfficeSpecimens it = new OfficeSpecimens(42).head(1, "The new ramp").para(4);
        for (int i = 1; i <= 3; i++) it.add(new Pic(220, 110), new Caption("Figure " + i + ". " + TITLES[i] + " at the north pier")).para(4);
        return it.named("pictures with captions", HEAD, FOOT, Manner.of(11, JUSTIFIED));
    }

    private static Specimen panels() {
        OfficeSpecimens it = new OfficeSpecimens(43).head(1, "Working near water").para(3);
        for (int i = 0; i < 3; i++) it.add(new Panel(List.of(new Para(it.prose(2))))).para(4);
        return it.named("shaded notes between the text", HEAD, FOOT, Manner.of(11, SANS));
    }

    private static Specimen deepContents() {
        OfficeSpecimens it = new OfficeSpecimens(44);
        List<String> titles = new ArrayList<>();
        List<Integer> levels = new ArrayList<>();
        List<Integer> pages = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            it.add(new NewPage()).head(1, TITLES[i]).para(4);
            titles.add(TITLES[i]);
            levels.add(1);
            pages.add(i + 2);
            for (int k = 0; k < 2; k++) {
                String title = TITLES[4 + i * 2 + k] + " on weekdays";
                it.head(2, title).para(4).para(3);
                titles.add(title);
                levels.add(2);
                pages.add(i + 2);
            }
        }
        it.pieces.add(0, new Toc(titles, levels, pages));
        return it.named("contents of a handbook without numbers", HEAD, FOOT, Manner.of(11, SANS));
    }

    private static Specimen booklet() {
        OfficeSpecimens it = new OfficeSpecimens(45);
        for (int i = 0; i < 4; i++) it.head(1, TITLES[i + 2]).para(3).para(4).head(2, TITLES[i + 7]).para(3);
        return it.named("booklet", HEAD, FOOT, Manner.of(9.5, JUSTIFIED, BOOKLET));
    }

    private static Specimen pressRelease() {
        OfficeSpecimens it = new OfficeSpecimens(46).head(1, "A third boat for the Skerrow line");
        it.add(new Defined("Ostrey, 3 November.", it.prose(3))).para(4).add(new Quote(it.prose(2))).para(3);
        it.add(new Linked("More pictures are at", "our page for the press", "https://ferries.example/press"));
        it.add(new Address(List.of("Ostrey Sound Ferries", "Press office")));
        return it.named("press release", null, null, Manner.of(11.5));
    }

    private static Specimen shadedTable() {
        OfficeSpecimens it = new OfficeSpecimens(47).head(1, "Staff of all piers").para(2);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Name", "Post", "Pier", "Telephone")));
        for (int i = 1; i <= 55; i++)
            rows.add(List.of("Person " + i, i % 3 == 0 ? "Deckhand" : "Purser", i % 2 == 0 ? "Ostrey" : "Skerrow", "01 23 " + (10 + i)));
        return it.add(new Grid(Frame.SHADED, List.of(120.0, 110.0, 110.0, 100.0), rows)).para(2)
                .named("table with shaded heads across pages", HEAD, FOOT, Manner.of(10, SANS));
    }

    private static Specimen references() {
        OfficeSpecimens it = new OfficeSpecimens(48).head(1, "What this report rests on").para(3);
        for (int i = 1; i <= 12; i++) it.add(new Item(0, "[" + i + "]", it.prose(2)));
        return it.named("numbered references", null, FOOT, Manner.of(10.5, JUSTIFIED));
    }

    private static Specimen stores() {
        OfficeSpecimens it = new OfficeSpecimens(60).head(1, "Stores on board").para(2);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Place", "Held there", "Pieces")));
        for (String place : List.of("Bridge", "Fore peak", "Galley", "Engine room", "Car deck"))
            rows.add(List.of(place, TITLES[rows.size() + 3] + " forms", String.valueOf(rows.size() * 7)));
        return it.add(new Grid(Frame.BOOK, List.of(120.0, 200.0, 70.0), rows)).para(3).named("stores", null, FOOT, Manner.of(11));
    }

    private static Specimen crewList() {
        OfficeSpecimens it = new OfficeSpecimens(61).head(1, "Crew of the Brae").para(2);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Rank", "Watch", "Cabin")));
        for (String rank : List.of("Skipper", "Mate", "Second mate", "Engineer", "Deckhand", "Cook"))
            rows.add(List.of(rank, "Watch " + rows.size(), "C " + rows.size()));
        for (int i = 1; i <= 60; i++) rows.add(List.of("Seasonal hand", "Watch " + i % 5, "D " + i));
        return it.add(new Grid(Frame.SHADED, List.of(150.0, 120.0, 90.0), rows)).para(3).named("crew list", HEAD, FOOT, Manner.of(11, SANS));
    }

    private static Specimen warnings() {
        OfficeSpecimens it = new OfficeSpecimens(62).head(1, "Before you go below").para(2);
        it.add(new Panel(List.of(new Para(it.prose(1))))).para(3).add(new Pic(200, 100), new Caption("The ladder to the engine room"));
        it.add(new Panel(List.of(new Para(it.prose(3)), new Para(it.prose(1))))).para(2);
        return it.named("warnings", null, FOOT, Manner.of(11));
    }

    private static Specimen houseRules() {
        OfficeSpecimens it = new OfficeSpecimens(63).head(1, "House rules of the waiting room").para(1);
        for (int i = 1; i <= 3; i++) {
            it.head(2, i + " " + TITLES[i + 8]);
            for (int k = 1; k <= 4; k++) it.add(new Item(0, i + "." + k, it.prose(k == 3 ? 3 : 1)));
        }
        return it.named("house rules", HEAD, FOOT, Manner.of(10, SANS));
    }

    private static Specimen checklist() {
        OfficeSpecimens it = new OfficeSpecimens(64).head(1, "Checks before sailing").para(1);
        for (int i = 0; i < 4; i++) it.add(new Item(0, "–", it.prose(1 + i % 2)));
        it.para(2);
        for (String label : List.of("a)", "b)", "c)")) it.add(new Item(0, label, it.prose(2)));
        return it.para(1).named("checklist", null, FOOT, Manner.of(11));
    }

    private static Specimen berths() {
        OfficeSpecimens it = new OfficeSpecimens(65).head(1, "Berths and who may use them").para(1);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Berth", "For whom", "Remarks")));
        for (String berth : List.of("North 1", "North 2", "South", "Inner")) rows.add(List.of(berth, it.prose(1), it.prose(2)));
        return it.add(new Grid(Frame.RULED, List.of(70.0, 160.0, 210.0), rows)).para(2).named("berths", HEAD, FOOT, Manner.of(10.5));
    }

    private static Specimen accounts() {
        OfficeSpecimens it = new OfficeSpecimens(66).head(1, "Accounts of the tea room").para(1);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Day", "What was sold", "Cups", "Each", "Taken")));
        for (int i = 1; i <= 7; i++) rows.add(List.of(i + " May", i % 3 == 0 ? "Tea and cake" : "Tea", String.valueOf(i * 4), "1.20", i * 4 + ".80"));
        rows.add(List.of("Sum", "", "", "", "139.20"));
        return it.add(new Grid(Frame.BOOK, List.of(70.0, 170.0, 50.0, 50.0, 70.0), rows)).para(1).named("accounts", null, FOOT, Manner.of(10, SANS));
    }

    private static Specimen sailings() {
        OfficeSpecimens it = new OfficeSpecimens(67).head(1, "Boats in winter");
        List<List<String>> rows = new ArrayList<>();
        List<String> heads = new ArrayList<>(List.of("From"));
        List<Double> widths = new ArrayList<>(List.of(80.0));
        for (int i = 1; i <= 9; i++) {
            heads.add("Day " + i);
            widths.add(56.0);
        }
        rows.add(heads);
        for (String pier : List.of("Ostrey", "Skerrow", "Hallin", "Little Brae", "The Holm")) {
            List<String> row = new ArrayList<>(List.of(pier));
            for (int i = 0; i < 9; i++) row.add((7 + i) + ":" + (10 + it.random.nextInt(49)));
            rows.add(row);
        }
        return it.add(new Grid(Frame.SHADED, widths, rows)).named("sailings", null, null, Manner.of(10, TURNED));
    }

    private static Specimen tides() {
        OfficeSpecimens it = new OfficeSpecimens(68).head(1, "High water at all piers");
        List<List<String>> rows = new ArrayList<>();
        List<String> heads = new ArrayList<>(List.of("Place"));
        List<Double> widths = new ArrayList<>(List.of(90.0));
        for (int i = 1; i <= 12; i++) {
            heads.add("W " + i);
            widths.add(46.0);
        }
        rows.add(heads);
        for (String pier : List.of("Ostrey", "The Narrows", "Brae", "Long Sound, east", "Holm", "South Innis", "Calf Rock")) {
            List<String> row = new ArrayList<>(List.of(pier));
            for (int i = 0; i < 12; i++) row.add(it.random.nextInt(24) + ":" + (10 + it.random.nextInt(49)));
            rows.add(row);
        }
        return it.add(new Grid(Frame.SHADED, widths, rows)).named("tides", null, null, Manner.of(9, SANS, TURNED));
    }

    private static Specimen watches() {
        OfficeSpecimens it = new OfficeSpecimens(69).head(1, "Watches and who keeps them").para(2);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Watch", "Tasks", "Hours")));
        for (String watch : List.of("First", "Second", "Dog", "Night")) rows.add(List.of(watch, it.prose(2), it.prose(1)));
        return it.add(new Grid(Frame.RULED, List.of(70.0, 230.0, 150.0), rows)).para(3).named("watches", HEAD, FOOT, Manner.of(10));
    }

    private static Specimen paints() {
        OfficeSpecimens it = new OfficeSpecimens(70).head(1, "Paints in store").para(2);
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Paint", "Tin", "Held")));
        for (String paint : List.of("Deck green", "Hull white, two parts", "Funnel blue", "Primer")) rows.add(List.of(paint, "litre", rows.size() + ".50"));
        return it.add(new Grid(Frame.BOOK, List.of(200.0, 80.0, 80.0), rows)).para(4).named("paints", HEAD, null, Manner.of(11, JUSTIFIED, SERIF_HEADS));
    }

    private static Specimen charges() {
        OfficeSpecimens it = new OfficeSpecimens(71).add(new Address(List.of("Ostrey Sound Ferries", "Harbour office"))).head(1, "Charges for May");
        it.add(new Para("We ask you for what follows."));
        List<List<String>> rows = new ArrayList<>(List.of(List.of("Day", "For what", "Pieces", "Each", "Together")));
        for (int i = 1; i <= 6; i++)
            rows.add(List.of((i * 4) + " May", i % 2 == 0 ? "Boxes of lines" : "Cans of fuel", String.valueOf(i), "7.50", i * 7 + ".50"));
        rows.add(List.of("All", "", "", "", "157.50"));
        it.add(new Grid(Frame.BOOK, List.of(80.0, 150.0, 60.0, 60.0, 80.0), rows), new Para("Thank you for paying soon."));
        return it.add(new Address(List.of("The accounts office"))).named("charges", null, FOOT, Manner.of(10, SANS));
    }
}
