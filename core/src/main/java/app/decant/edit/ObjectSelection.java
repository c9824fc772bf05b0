package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import java.util.List;

/** A picture, a box or another object that is picked as a whole. */
public record ObjectSelection(Place head) implements Selection {
    @Override public Story story() { return head.story(); }

    @Override public boolean fits(Document document) { return object(document) != null; }

    /** The object, or null where there is none. */
    public Inline object(Document document) {
        if (!(document.find(story(), head.path()) instanceof Paragraph paragraph)) return null;
        int at = 0;
        for (Inline inline : paragraph.inlines()) {
            if (at == head.offset() && inline.length() == 1 && !(inline instanceof Inline.Text)) return inline;
            at += inline.length();
        }
        return null;
    }

    @Override public List<Stretch> stretches(Document document) {
        return List.of(new Stretch(head.path(), document.paragraph(head), head.offset(), head.offset() + 1));
    }

    @Override public Selection map(PositionMap map, Document after) {
        PositionMap.Mapped mapped = map.map(head, Side.AFTER);
        ObjectSelection moved = new ObjectSelection(mapped.place());
        return !mapped.deleted() && moved.fits(after) ? moved : Selection.near(after, mapped.place());
    }
}
