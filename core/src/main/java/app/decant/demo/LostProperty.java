package app.decant.demo;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section.Columns;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section.PageNumbering;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** A form of the demo company: who misses something asks for it. */
public final class LostProperty {
    private LostProperty() { }

    public static Document document() {
        List<Block> blocks = new ArrayList<>();
        blocks.add(Paragraph.styled("Title", "Request for lost property").withLook(Look.of(ParagraphProperty.SPACE_BEFORE, 10.0)));
        blocks.add(DemoText.body("What was left on board is kept at the harbour office for ninety days. "
                + "Tell us what you miss; we write as soon as it is found."));
        blocks.add(line("Name", FormField.Kind.TEXT, List.of()));
        blocks.add(line("Line", FormField.Kind.CHOICE, List.of("Ostrey line", "Skerrow line", "Holm line")));
        blocks.add(line("Day of the crossing", FormField.Kind.TEXT, List.of()));
        blocks.add(line("What was lost", FormField.Kind.TEXT, List.of()));
        blocks.add(line("It was labelled", FormField.Kind.TICK, List.of()));
        blocks.add(line("Send it by post", FormField.Kind.TICK, List.of()));
        Section section = new Section(Section.Start.NEXT_PAGE, PageGeometry.A4, Columns.ONE, PageNumbering.CONTINUED, Map.of(), false, blocks);
        Facts facts = new Facts("Request for lost property", null, "Ostrey Sound Ferries, office", null, "en-GB", null, null, Map.of());
        return new Document(facts, DemoStyles.sheet(), DemoStyles.numbering(), List.of(section), false, Document.TAB_WIDTH, List.of());
    }

    private static Paragraph line(String name, FormField.Kind kind, List<String> choices) {
        String shown = kind == FormField.Kind.TICK ? FormField.UNTICKED : FormField.EMPTY;
        Look look = Look.of(TextProperty.FORM, new FormField(name.hashCode(), kind, true, name, choices, null));
        return DemoText.body("").withInlines(List.of(new Inline.Text(name + ":  ", Look.PLAIN), new Inline.Text(shown, look)));
    }
}
