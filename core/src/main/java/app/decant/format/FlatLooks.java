package app.decant.format;

import app.decant.document.Cascade;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Property;
import app.decant.document.TextProperty;
import java.util.Objects;

/** Looks for formats that have no table styles: what only a table's style says of its text is said by the text itself. */
public record FlatLooks(Cascade cascade) {
    /** @param table what the cell says, or {@link Look#PLAIN} outside tables */
    public Look paragraph(Paragraph paragraph, Look table) {
        if (table.isPlain()) return paragraph.look();
        return paragraph.look().over(difference(cascade.paragraph(paragraph, table), cascade.paragraph(paragraph)));
    }

    /** Without links, which formats write in ways of their own. */
    public Look text(Paragraph paragraph, Look own, Look table) {
        Look look = own.without(TextProperty.LINK);
        if (table.isPlain()) return look;
        return look.over(difference(cascade.text(paragraph, own, table), cascade.text(paragraph, own)).without(TextProperty.LINK));
    }

    /** What one look says that another does not. */
    private static Look difference(Look all, Look without) {
        Look difference = all;
        for (Property<?> property : all.properties()) if (Objects.equals(all.get(property), without.get(property))) difference = difference.without(property);
        return difference;
    }
}
