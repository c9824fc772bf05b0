package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.font.FontCatalogue;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.pdmodel.PDPage;

/** A page that is being changed: what it is, and what is done to each part of it so far. */
final class ChangedPage {
    final PDPage page;
    final PageReader.Addressed read;
    final MarkRows rows;
    /** The marks by their numbers in the page's order of painting. */
    final Map<Integer, ShownGlyph> byOrder = new HashMap<>();
    final ChangedStream stream;
    final PageChanges changes;
    final NewLetters letters;
    final DrawnLines drawn;
    final WordMarkings markings;
    final CarriedAnnotations links;
    final CarriedBoxes boxes;
    final LineRoom room;
    final Overflow overflow;
    final WrittenLines written;
    final PutInLines fresh;
    final List<Finding> findings = new ArrayList<>();
    private final Map<Set<Integer>, Double> grown = new HashMap<>();

    /** @param faces that help out where a font inside the file lacks a letter */
    ChangedPage(PDPage page, PageReader.Addressed read, FontCatalogue faces) throws IOException {
        this.page = page;
        this.read = read;
        rows = new MarkRows(read.shown());
        for (ShownGlyph mark : read.shown()) byOrder.put(mark.glyph().order(), mark);
        try (InputStream in = page.getContents()) {
            stream = ChangedStream.of(in, page.getResources() == null ? null : page.getResources().getCOSObject());
        }
        changes = new PageChanges(read);
        letters = new NewLetters(read, stream, faces, findings);
        drawn = new DrawnLines(stream, changes);
        markings = new WordMarkings(read, stream, changes);
        links = new CarriedAnnotations(page, read, changes);
        boxes = new CarriedBoxes(page, read);
        room = new LineRoom(read);
        overflow = new Overflow(this);
        written = new WrittenLines(this);
        fresh = new PutInLines(this);
    }

    /**
     * Links and notes go with their words, also to another page; fields with the lines they stand among.
     *
     * @param moved   where lines stood that went as they are
     * @param touched where something is another
     * @throws NoRoom where one of them can't go along
     */
    void refuseAnnotations(Rectangle2D moved, Rectangle2D touched) throws NoRoom, IOException {
        Set<Integer> going = links.going();
        going.addAll(links.over(overflow::isGiven));
        if (LoweredPlaces.refuses(page, read.page().turn(), moved, touched, changes.pushed(), going))
            throw new NoRoom(Message.of("keep.a-field-a-note-or-a-link"));
    }

    /** How much higher a row of a table is by now, in points; told by what its cells say. */
    double grown(Set<Integer> row) { return grown.getOrDefault(row, 0.0); }

    void grows(Set<Integer> row, double by) { grown.merge(row, by, Double::sum); }
}
