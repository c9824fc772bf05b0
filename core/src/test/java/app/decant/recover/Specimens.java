package app.decant.recover;

import app.decant.recover.Specimen.Address;
import app.decant.recover.Specimen.Aside;
import app.decant.recover.Specimen.Columns;
import app.decant.recover.Specimen.Dated;
import app.decant.recover.Specimen.Grid;
import app.decant.recover.Specimen.Head;
import app.decant.recover.Specimen.Item;
import app.decant.recover.Specimen.Linked;
import app.decant.recover.Specimen.NewPage;
import app.decant.recover.Specimen.Noted;
import app.decant.recover.Specimen.Para;
import app.decant.recover.Specimen.Pic;
import app.decant.recover.Specimen.Piece;
import app.decant.recover.Specimen.RightToLeft;
import app.decant.recover.Specimen.Toc;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Layouts as offices write them, filled with sentences about a small ferry company that does not exist. */
final class Specimens {
    static final String HEAD = "Ostrey Sound Ferries";
    static final String FOOT = "Page";
    private static final String[] WHO = {"The purser", "A deckhand", "The harbour office", "Every passenger", "The night watch",
            "The skipper of the Skerrow line", "A resident", "The ticket clerk"};
    private static final String[] DOES = {"keeps", "counts", "signs", "looks after", "hands over", "writes down", "checks", "returns"};
    private static final String[] WHAT = {"the passenger list", "all bicycles on the car deck", "the keys of the waiting room",
            "two life jackets for each child", "the timetable for the winter months", "unaccompanied parcels",
        "the log of late sailings", "every animal that travels without a cage"};
    private static final String[] WHEN = {"before the first sailing", "when the wind is above force seven", "at the end of the week",
            "as soon as the ramp is down", "on public holidays", "during the crossing to Skerrow", "after the last boat has come in",
        "once the office has been told"};
    static final String[] TITLES = {"Boarding", "Rough weather", "Lost property", "Fares for residents", "Muster points", "Deliveries",
            "The winter timetable", "Mooring at night", "Dogs and livestock", "School groups", "Refunds", "Harbour dues"};

    private Specimens() { }

    static List<Specimen> all() {
        List<Specimen> all = new ArrayList<>(List.of(report(), oddHeading(), twoColumns(), sideLists(), longTable(), borderlessTable(), contents(),
                footnotes(), sideNotes(), rotatedTable(), rightToLeft(), dates(), letter(), nestedLists(), picturesAndLinks()));
        all.addAll(OfficeSpecimens.all());
        all.addAll(OfficeSpecimens.toLookInto());
        return all;
    }

    /** The first fifteen layouts, each fourth of the others, and those to look into their kind; what is done for them must do for the rest. */
    static boolean isWorkedWith(Specimen specimen) {
        int at = OfficeSpecimens.all().stream().map(Specimen::name).toList().indexOf(specimen.name());
        return at < 0 || at % 4 == 0;
    }

    static String prose(Random random, int sentences) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < sentences; i++) {
            if (i > 0) text.append(' ');
            text.append(WHO[random.nextInt(8)]).append(' ').append(DOES[random.nextInt(8)]).append(' ').append(WHAT[random.nextInt(8)]).append(' ')
                    .append(WHEN[random.nextInt(8)]).append('.');
        }
        return text.toString();
    }

    static Piece para(Random random) { return new Para(prose(random, 2 + random.nextInt(5))); }

    private static Specimen report() {
        Random random = new Random(1);
        List<Piece> pieces = new ArrayList<>();
        for (int i = 1; i <= 4; i++) {
            pieces.add(new Head(1, i + " " + TITLES[i], false));
            pieces.add(para(random));
            for (int k = 1; k <= 3; k++) {
                pieces.add(new Head(2, i + "." + k + " " + TITLES[(i * 3 + k) % 12], false));
                pieces.add(para(random));
                pieces.add(para(random));
            }
        }
        return new Specimen("report", HEAD, FOOT, true, false, pieces);
    }

    private static Specimen oddHeading() {
        Random random = new Random(2);
        List<Piece> pieces = new ArrayList<>();
        pieces.add(new Head(1, "4 Safety on the piers", false));
        for (int k = 1; k <= 6; k++) {
            pieces.add(new Head(2, "4." + k + " " + TITLES[k], k == 3));
            pieces.add(para(random));
            pieces.add(para(random));
        }
        return new Specimen("numbered headings, one in another look", HEAD, FOOT, false, false, pieces);
    }

    private static Specimen twoColumns() {
        Random random = new Random(3);
        List<Piece> left = new ArrayList<>();
        List<Piece> right = new ArrayList<>();
        for (int i = 0; i < 5; i++) left.add(new Para(prose(random, 3)));
        right.add(new Head(2, "Notes from the piers", false));
        for (int i = 0; i < 4; i++) right.add(new Para(prose(random, 3)));
        return new Specimen("two columns", HEAD, null, true, false, List.of(new Head(1, "The harbour newsletter, autumn", false),
                new Columns(List.of(left, right))));
    }

    private static Specimen sideLists() {
        List<Piece> left = new ArrayList<>();
        List<Piece> right = new ArrayList<>();
        for (String what : List.of("tickets and reservations", "parcels up to ten kilos", "bicycles", "small animals in a cage", "wheelchairs"))
            left.add(new Item(0, "•", what));
        for (String what : List.of("cars and trailers", "livestock", "fuel in cans", "anything over two metres")) right.add(new Item(0, "•", what));
        return new Specimen("side-by-side lists", null, null, false, false, List.of(new Head(1, "What is taken, and what is not", false),
                new Para(prose(new Random(4), 3)), new Columns(List.of(left, right)), new Para(prose(new Random(5), 4))));
    }

    private static Specimen longTable() {
        Random random = new Random(6);
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Sailing", "From", "To", "Passengers"));
        String[] piers = {"Ostrey", "Skerrow", "Hallin", "Brae", "Innis"};
        for (int i = 1; i <= 70; i++)
            rows.add(List.of("OS " + (100 + i), piers[random.nextInt(5)], piers[random.nextInt(5)] + " pier", String.valueOf(20 + random.nextInt(140))));
        return new Specimen("table across pages", HEAD, FOOT, false, false, List.of(new Head(1, "Sailings in November", false), new Para(prose(random, 3)),
                new Grid(true, List.of(80.0, 120.0, 140.0, 90.0), rows), new Para(prose(random, 3))));
    }

    private static Specimen borderlessTable() {
        Random random = new Random(7);
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Fare", "Single", "Return", "Week"));
        for (String kind : List.of("Adult", "Child", "Resident", "Bicycle", "Car up to five metres", "Trailer"))
            rows.add(List.of(kind, (3 + random.nextInt(9)) + ".50", (8 + random.nextInt(9)) + ".00", (30 + random.nextInt(40)) + ".00"));
        return new Specimen("borderless table", null, FOOT, false, false, List.of(new Head(1, "Fares from the first of January", false),
                new Para(prose(random, 3)), new Grid(false, List.of(170.0, 80.0, 80.0, 80.0), rows), new Para(prose(random, 4))));
    }

    private static Specimen contents() {
        Random random = new Random(8);
        List<String> titles = new ArrayList<>();
        List<Integer> levels = new ArrayList<>();
        List<Integer> numbers = new ArrayList<>();
        List<Piece> rest = new ArrayList<>();
        for (int i = 1; i <= 3; i++) {
            rest.add(new NewPage());
            titles.add(i + " " + TITLES[i]);
            levels.add(1);
            numbers.add(i + 1);
            rest.add(new Head(1, i + " " + TITLES[i], false));
            rest.add(para(random));
            for (int k = 1; k <= 2; k++) {
                String title = i + "." + k + " " + TITLES[(i * 2 + k) % 12] + " in detail";
                titles.add(title);
                levels.add(2);
                numbers.add(i + 1);
                rest.add(new Head(2, title, false));
                rest.add(para(random));
            }
        }
        List<Piece> pieces = new ArrayList<>();
        pieces.add(new Toc(titles, levels, numbers));
        pieces.addAll(rest);
        return new Specimen("contents with leaders", HEAD, FOOT, false, false, pieces);
    }

    private static Specimen footnotes() {
        Random random = new Random(9);
        List<Piece> pieces = new ArrayList<>();
        pieces.add(new Head(1, "Conditions of carriage", false));
        for (int i = 1; i <= 9; i++)
            pieces.add(i % 3 == 0 ? new Noted(prose(random, 4), String.valueOf(i / 3), "As decided by the board, minute " + (100 + i) + ".") : para(random));
        return new Specimen("footnotes", HEAD, FOOT, true, false, pieces);
    }

    private static Specimen sideNotes() {
        Random random = new Random(10);
        List<Piece> pieces = new ArrayList<>();
        pieces.add(new Head(1, "For new crew", false));
        for (int i = 0; i < 4; i++) {
            pieces.add(new Aside("See the drill card, side " + (i + 1), prose(random, 6)));
            pieces.add(para(random));
        }
        return new Specimen("side notes", null, FOOT, false, false, pieces);
    }

    private static Specimen rotatedTable() {
        Random random = new Random(11);
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Pier", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"));
        for (String pier : List.of("Ostrey", "Skerrow", "Hallin", "Brae", "Innis", "North Innis", "Long Sound")) {
            List<String> row = new ArrayList<>(List.of(pier));
            for (int i = 0; i < 7; i++) row.add((6 + random.nextInt(12)) + ":" + (10 + random.nextInt(49)));
            rows.add(row);
        }
        return new Specimen("rotated table", null, null, false, true, List.of(new Head(1, "First boats", false),
                new Grid(true, List.of(120.0, 70.0, 70.0, 70.0, 70.0, 70.0, 70.0, 70.0), rows)));
    }

    private static Specimen rightToLeft() {
        String[] words = {"מעבורת", "נמל", "כרטיס", "נוסע", "הפלגה", "חורף", "רציף", "משרד", "סירה", "ים", "לוח", "זמנים"};
        Random random = new Random(12);
        List<Piece> pieces = new ArrayList<>();
        for (int p = 0; p < 5; p++) {
            StringBuilder text = new StringBuilder();
            for (int i = 0; i < 30 + random.nextInt(20); i++) text.append(words[random.nextInt(words.length)]).append(' ');
            pieces.add(new RightToLeft(text.toString().trim() + "."));
        }
        return new Specimen("right to left", null, null, false, false, pieces);
    }

    private static Specimen dates() {
        Random random = new Random(13);
        List<Piece> pieces = new ArrayList<>();
        pieces.add(new Head(1, "A short history of the company", false));
        for (int year : new int[] {1921, 1934, 1947, 1958, 1966, 1979, 1988}) pieces.add(new Dated(String.valueOf(year), prose(random, 2 + random.nextInt(2))));
        return new Specimen("dates in a left column", null, FOOT, false, false, pieces);
    }

    private static Specimen letter() {
        Random random = new Random(14);
        return new Specimen("form letter", null, null, false, false,
                List.of(new Address(List.of("Ostrey Sound Ferries", "Harbour office", "2 Quay Street", "Ostrey")),
                new Address(List.of("Ms A. Example", "14 Shore Street, second floor", "Skerrow")),
                new Address(List.of("12 November 2026")), new Para("Dear Ms Example,"), para(random), para(random), new Para("Yours sincerely,"),
                        new Address(List.of("The ticket office"))));
    }

    private static Specimen nestedLists() {
        Random random = new Random(15);
        List<Piece> pieces = new ArrayList<>();
        pieces.add(new Head(1, "Before casting off", false));
        pieces.add(para(random));
        for (int i = 1; i <= 3; i++) {
            pieces.add(new Item(0, i + ".", prose(random, 2)));
            for (char c = 'a'; c <= 'c'; c++) pieces.add(new Item(1, c + ")", prose(random, 1)));
        }
        pieces.add(para(random));
        for (int i = 1; i <= 4; i++) pieces.add(new Item(0, "•", prose(random, 1 + i % 2)));
        pieces.add(para(random));
        return new Specimen("nested lists", HEAD, FOOT, false, false, pieces);
    }

    private static Specimen picturesAndLinks() {
        Random random = new Random(16);
        List<Piece> pieces = new ArrayList<>();
        pieces.add(new Head(1, "Where to find us", false));
        pieces.add(para(random));
        pieces.add(new Pic(180, 120));
        pieces.add(new Linked("Tickets are sold at", "the office on the web", "https://ferries.example/tickets"));
        pieces.add(para(random));
        pieces.add(new Pic(240, 100));
        pieces.add(new Linked("Write to us at", "office@ferries.example", "mailto:office@ferries.example"));
        pieces.add(para(random));
        return new Specimen("pictures and links", HEAD, FOOT, false, false, pieces);
    }
}
