package app.decant.format;

import app.decant.document.Block;
import app.decant.document.Comment;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** A document that two people worked on, nothing of which is settled yet, and what is left of it when it is. */
public final class Marked {
    public static final Instant MONDAY = Instant.parse("2026-03-02T09:30:00Z");
    public static final TrackedChange CAME = TrackedChange.inserted("Mira Okafor", MONDAY);
    public static final TrackedChange WENT = TrackedChange.deleted("Jon Dahl", MONDAY.plusSeconds(3600));
    public static final Comment ASKED = new Comment(1, new Comment.Remark("Jon Dahl", MONDAY, "Is this the summer fare?\nI can't find it."),
            List.of(new Comment.Remark("Mira Okafor", MONDAY.plusSeconds(60), "Yes, from 1 June.")), true);
    public static final Comment NOTED = Comment.of(2, new Comment.Remark("Mira Okafor", MONDAY, "Ask the harbour office."));

    private Marked() { }

    public static Inline.Text text(String text) { return new Inline.Text(text, Look.PLAIN); }
    public static Inline.Text text(String text, TrackedChange change) { return new Inline.Text(text, Look.of(TextProperty.TRACKED, change)); }

    public static Inline.Text text(String text, Comment... comments) {
        return new Inline.Text(text, Look.of(TextProperty.COMMENTS, new Comment.Thread(List.of(comments))));
    }

    private static Paragraph paragraph(Inline... inlines) { return Paragraph.of("").withInlines(List.of(inlines)); }

    /** Changes within lines, of the ends of paragraphs, of a whole paragraph, and of rows. */
    public static Document changed() {
        Paragraph opened = paragraph(text("The ferry leaves at "), text("seven", WENT), text("eight", CAME), text("."));
        Paragraph joined = paragraph(text("Bicycles travel")).withMark(Look.of(TextProperty.TRACKED, WENT));
        Paragraph rest = paragraph(text(" on", CAME), text(" the lower deck."));
        Paragraph added = paragraph(text("Dogs need a lead.", CAME)).withMark(Look.of(TextProperty.TRACKED, CAME));
        Paragraph gone = paragraph(text("No smoking.", WENT)).withMark(Look.of(TextProperty.TRACKED, WENT));
        Paragraph last = paragraph(text("See the board."));
        return document(List.of(opened, joined, rest, added, gone, last));
    }

    /** The same in a table, one row of which came and one of which went. */
    public static Document rows() {
        List<Table.Row> rows = new ArrayList<>();
        rows.add(row(Look.PLAIN, "Adult", "12.00"));
        rows.add(row(Look.of(TableProperty.TRACKED, WENT), "Child", "6.00"));
        rows.add(row(Look.of(TableProperty.TRACKED, CAME), "Dog", "3.00"));
        return document(List.of(new Table(Look.PLAIN, List.of(100.0, 80.0), rows), paragraph(text("Valid all year."))));
    }

    private static Table.Row row(Look look, String... cells) {
        List<Table.Cell> made = new ArrayList<>();
        for (String cell : cells) made.add(new Table.Cell(made.size(), 1, 1, Look.PLAIN, List.of(paragraph(text(cell)))));
        return new Table.Row(look, made);
    }

    /** Comments that meet, reach over paragraphs and have answers. */
    public static Document remarked() {
        return document(List.of(paragraph(text("A day ticket "), text("costs ", ASKED), text("nine", ASKED, NOTED), text(" pounds", NOTED), text(".")),
                paragraph(text("Ask at the "), text("desk.", Comment.of(3, new Comment.Remark("", null, "Which desk?")))),
                paragraph(text("Before noon or ")), paragraph(text("after five."))));
    }

    private static Document document(List<Block> blocks) {
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(blocks)));
    }
}
