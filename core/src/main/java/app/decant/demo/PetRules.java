package app.decant.demo;

import static app.decant.demo.DemoText.paragraph;

import app.decant.document.Block;
import app.decant.document.Comment;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section.Columns;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section.PageNumbering;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import java.time.Instant;
import java.util.List;
import java.util.Map;

/** A draft that two people have worked on: what they put in, took out and remarked waits to be settled. */
public final class PetRules {
    private static final Instant MONDAY = Instant.parse("2026-11-16T10:20:00Z");
    private static final String OFFICE = "Mira Okafor";
    private static final String CREW = "Jon Dahl";

    private PetRules() { }

    public static Document document() {
        Comment asked = new Comment(1, new Comment.Remark(CREW, MONDAY, "Is two metres what the crew agreed to?"),
                List.of(new Comment.Remark(OFFICE, MONDAY.plusSeconds(900), "Yes, at the meeting on the 9th.")), false);
        Comment noted = Comment.of(2, new Comment.Remark(OFFICE, MONDAY.plusSeconds(1800), "Ask Grennick whether the hatch is wide enough."));
        Paragraph gone = body(went("Ferrets are carried in the engine room.")).withMark(Look.of(TextProperty.TRACKED, TrackedChange.deleted(CREW, MONDAY)));
        List<Block> blocks = List.of(paragraph("Title", "Rules for animals on board").withLook(Look.of(ParagraphProperty.SPACE_BEFORE, 10.0)),
                paragraph("Subtitle", "Draft for the spring timetable, second round"),
                heading("On deck"),
                body(plain("Dogs travel free. They are kept on a lead of "), came("no more than "), remarked("two metres", asked),
                        plain(" and stay out of the saloon, "), went("at all times"), came("unless they work"), plain(".")),
                body(plain("Cats, birds and other small animals travel in a basket or a cage, which stands where nobody falls over it.")),
                gone,
                heading("In the hold"),
                body(plain("Sheep and ponies are carried on the Skerrow line by arrangement. They are led on board last "),
                        remarked("through the side hatch", noted), plain(" and landed first. "), came("Whoever brings them stays with them.")),
                body(plain("Whatever an animal leaves behind is taken away by whoever brought it. Bags hang at the gangway.")));
        Section section = new Section(Section.Start.NEXT_PAGE, PageGeometry.A4, Columns.ONE, PageNumbering.CONTINUED, Map.of(), false, blocks);
        Facts facts = new Facts("Rules for animals on board", null, "Ostrey Sound Ferries, office", null, "en-GB", MONDAY, MONDAY, Map.of());
        return new Document(facts, DemoStyles.sheet(), DemoStyles.numbering(), List.of(section), false, Document.TAB_WIDTH, List.of());
    }

    private static Paragraph heading(String text) {
        return paragraph("Heading2", text).withLook(Look.of(ParagraphProperty.LIST, new ParagraphProperty.ListReference(null, 0)));
    }

    private static Paragraph body(Inline... inlines) { return DemoText.body("").withInlines(List.of(inlines)); }
    private static Inline plain(String text) { return new Inline.Text(text, Look.PLAIN); }
    private static Inline came(String text) { return marked(text, TrackedChange.inserted(OFFICE, MONDAY.plusSeconds(1200))); }
    private static Inline went(String text) { return marked(text, TrackedChange.deleted(CREW, MONDAY)); }
    private static Inline marked(String text, TrackedChange change) { return new Inline.Text(text, Look.of(TextProperty.TRACKED, change)); }

    private static Inline remarked(String text, Comment comment) {
        return new Inline.Text(text, Look.of(TextProperty.COMMENTS, new Comment.Thread(List.of(comment))));
    }
}
