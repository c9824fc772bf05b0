package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import java.util.List;
import java.util.Map;

/** Words that stand by themselves, such as a stamp: set as any text is, on a sheet where no line ends for want of room. */
public final class WordLines {
    private static final Section.PageGeometry WIDE = new Section.PageGeometry(14_000, 2_000, 0, 0, 0, 0, 0, 0, 0);

    private WordLines() { }

    public static List<Item.LineItem> of(String text, String family, double size, Colour colour) {
        Look look = Look.of(TextProperty.FAMILY, family).with(TextProperty.SIZE, size).with(TextProperty.COLOUR, colour);
        List<Block> blocks = List.of(new Paragraph("Normal", Look.PLAIN, look, List.of(new Inline.Text(text, look))));
        Section section = new Section(Section.Start.NEXT_PAGE, WIDE, Section.Columns.ONE, Section.PageNumbering.CONTINUED, Map.of(), false, blocks);
        return Layout.of(Document.empty().withSections(List.of(section)), FontCatalogue.shipped()).page(0).lines();
    }
}
