package app.decant.demo;

import static app.decant.demo.DemoText.body;
import static app.decant.demo.DemoText.list;
import static app.decant.demo.DemoText.paragraph;
import static app.decant.demo.DemoText.table;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section;
import app.decant.format.Format;
import app.decant.format.OfficeLock;
import app.decant.format.binary.BinaryFormat;
import app.decant.format.odf.OdfFormat;
import app.decant.format.ooxml.OoxmlFormat;
import app.decant.format.rtf.RtfFormat;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** The office's old archive: a tree of files of all kinds as such trees are, with a few that cannot be opened. */
public final class DemoArchive {
    private static final String[] PLACES = {"Grennick", "Tolm Head", "Skerrow", "Ostrey"};
    private static final String[] NAMES = {"Ina Tollmark", "Bram Keel", "Sorrel Finch", "Edda Lund", "Tam Wick"};
    private static final Format[] FORMATS = {BinaryFormat.DOC, BinaryFormat.DOC, RtfFormat.RTF, OdfFormat.ODT};

    private DemoArchive() { }

    /** Writes the archive below a folder, unless it is there already, and gives its own folder. */
    public static Path into(Path folder) throws IOException {
        Path archive = folder.resolve("Archive 1998-2006");
        if (Files.isDirectory(archive)) return archive;
        int count = 0;
        for (int year = 1998; year <= 2006; year++) {
            for (int n = 1; n <= 5; n++) put(archive.resolve(year + "/notices"), "Harbour notice " + (count + n), notice(year, count + n), year, count++);
            for (String month : new String[] {"March", "June", "October"})
                put(archive.resolve(year + "/board"), "Board minutes " + month, minutes(year, month, count), year, count++);
            for (int week : new int[] {9, 27}) put(archive.resolve(year + "/crew"), "Rota week " + week, rota(year, week), year, count++);
            put(archive.resolve(year + "/leases"), "Pier lease " + PLACES[year % 4], lease(year, PLACES[year % 4]), year, count++);
        }
        byte[] letter = BinaryFormat.DOC.write(notice(2001, 99), at(2001)).bytes();
        Files.write(Files.createDirectories(archive.resolve("2001/office")).resolve("scan0007.doc"), new byte[0]);
        Files.write(archive.resolve("2001/office/Old letter.doc"), Arrays.copyOf(letter, letter.length / 3));
        Files.write(archive.resolve("2001/office/Payroll 2001.docx"), OfficeLock.locked(OoxmlFormat.DOCX.write(minutes(2001, "March", 3), at(2001)).bytes(),
                "slipway-2001"));
        Files.writeString(archive.resolve("2001/office/Keys.txt"),
                "Keys of the office\n\nThe boat house: on the nail behind the door.\nThe ticket window: with " + NAMES[1] + ".\n");
        return archive;
    }

    private static Instant at(int year) { return LocalDate.of(year, 5, 4).atStartOfDay(ZoneOffset.UTC).toInstant(); }

    private static void put(Path folder, String name, Document document, int year, int count) throws IOException {
        Format format = FORMATS[count % FORMATS.length];
        Files.write(Files.createDirectories(folder).resolve(name + "." + format.ending()), format.write(document, at(year)).bytes());
    }

    private static Document document(int year, String title, List<Block> blocks) {
        Section section = new Section(Section.Start.NEXT_PAGE, Section.PageGeometry.A4, Section.Columns.ONE, Section.PageNumbering.CONTINUED, Map.of(),
                false, blocks);
        Facts facts = new Facts(title, null, "Ostrey Sound Ferries, office", null, "en-GB", at(year), at(year), Map.of());
        return new Document(facts, DemoStyles.sheet(), DemoStyles.numbering(), List.of(section), false, Document.TAB_WIDTH, List.of());
    }

    private static Block heading(String text) {
        return paragraph("Heading2", text).withLook(Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(null, 0)));
    }

    private static Document notice(int year, int number) {
        String place = PLACES[number % PLACES.length];
        List<Block> blocks = new ArrayList<>(List.of(paragraph("Title", "Harbour notice " + number), paragraph("Subtitle", place + ", " + year),
                body("Ships lie at the " + (number % 2 == 0 ? "inner" : "outer") + " berth of " + place
                        + " until further notice. *Sailings may move by up to " + (10 + number % 5 * 5) + " minutes.*"), heading("What changes")));
        blocks.addAll(list(DemoStyles.BULLET, "Foot passengers board by the inner steps.", "Cars wait in Shore Street.",
                "Parcels are taken in at the back door until " + (14 + number % 3) + ":30."));
        blocks.add(body("Questions are answered by " + NAMES[number % NAMES.length] + "."));
        return document(year, "Harbour notice " + number, blocks);
    }

    private static Document minutes(int year, String month, int count) {
        List<Block> blocks = new ArrayList<>(List.of(paragraph("Title", "Minutes of the board"), paragraph("Subtitle", month + " " + year),
                body("Present: " + String.join(", ", NAMES) + ".")));
        String[] matters = {"Fares", "The winter timetable", "Repairs to the slip", "Crew", "Any other business"};
        for (int i = 0; i < matters.length; i++) {
            blocks.add(heading(matters[i]));
            for (int n = 0; n <= (count + i) % 3; n++) {
                blocks.add(body(NAMES[(count + n) % NAMES.length]
                        + " put before the board what had been asked in the last meeting. The board found the sum of " + (1200 + 75 * (count + i + n))
                        + " crowns sensible and asked " + NAMES[(count + i) % NAMES.length] + " to see to it before the season begins. Nobody was against."));
            }
        }
        return document(year, "Minutes of the board, " + month + " " + year, blocks);
    }

    private static Document rota(int year, int week) {
        List<String[]> rows = new ArrayList<>(List.<String[]>of(new String[] {"Day", "Ship", "Mate", "Deck"}));
        String[] days = {"Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"};
        for (int d = 0; d < days.length; d++)
            rows.add(new String[] {days[d], (year + d) % 2 == 0 ? "Petrel" : "Guillemot", NAMES[(week + d) % NAMES.length],
                    NAMES[(week + d + 2) % NAMES.length]});
        return document(year, "Rota week " + week, List.of(paragraph("Title", "Rota, week " + week), table(new double[] {100, 110, 120, 120}, true,
                rows.toArray(String[][]::new)), DemoText.gap(), body("Changes to the office by Thursday noon.")));
    }

    private static Document lease(int year, String place) {
        List<Block> blocks = new ArrayList<>(List.of(paragraph("Title", "Lease of the pier at " + place), paragraph("Subtitle", "For the year " + year)));
        for (String part : new String[] {"The pier", "The rent", "Repairs", "Ending"}) {
            blocks.add(heading(part));
            for (int n = 1; n <= 4; n++)
                blocks.add(body("The company holds the pier of " + place
                        + " with its steps, lamps and fenders from the first day of January to the last of December, and leaves it as it was found, fair "
                        + "wear and tear and the sea excepted."));
        }
        return document(year, "Lease of the pier at " + place, blocks);
    }
}
