package app.decant.edit;

import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.TableProperty;
import app.decant.document.Walk;
import java.util.List;
import java.util.function.UnaryOperator;

/** What is done to pictures: put in, replaced, made larger or smaller, described. */
public final class Pictures {
    private Pictures() { }

    /** The picture that is picked: the one object in it; null where it is none. */
    public static Picture picked(Document document, Selection picked) {
        return picture(object(document, picked));
    }

    private static Inline object(Document document, Selection picked) {
        if (picked instanceof ObjectSelection object) return object.object(document);
        if (!(picked instanceof TextSelection text) || !text.start().path().equals(text.end().path()) || text.end().offset() != text.start().offset() + 1)
            return null;
        return new ObjectSelection(text.start()).object(document);
    }

    private static Picture picture(Inline inline) {
        if (inline instanceof Inline.InlinePicture one) return one.picture();
        return inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture ? picture : null;
    }

    /** Where a very picture stands, as what would be picked; null where it is not there. */
    public static TextSelection find(Document document, Picture wanted) {
        TextSelection found = find(document, Story.BODY, wanted);
        if (found != null) return found;
        for (Story story : Stories.all(document)) {
            found = story instanceof Story.Body ? null : find(document, story, wanted);
            if (found != null) return found;
        }
        return null;
    }

    private static TextSelection find(Document document, Story story, Picture wanted) {
        for (Walk.Stop stop : Walk.of(document, story).stops()) {
            int at = 0;
            for (Inline inline : stop.paragraph().inlines()) {
                if (picture(inline) == wanted) return around(new Place(story, stop.path(), at));
                at += inline.length();
            }
        }
        return null;
    }

    private static TextSelection around(Place place) { return new TextSelection(place, place.at(place.offset() + 1)); }

    /**
     * Another picture in the place of the one that is picked: as wide, as high as it then is, cut and turned no more, described as before.
     *
     * @param across of the new one in pixels, or in any other unit
     * @param down   likewise
     */
    public static Change replace(Document document, Selection picked, Image image, double across, double down) {
        return changed(document, picked, old -> new Picture(image, old.width(), old.width() * down / across, TableProperty.Insets.NONE, 0, old.description()));
    }

    /** The picture that is picked in another width; its height follows. */
    public static Change resize(Document document, Selection picked, double width) {
        return changed(document, picked, old -> old.sized(width, old.height() * width / old.width()));
    }

    /** What is read to people who don't see it; empty where it is only there for looks, null where nobody said. */
    public static Change describe(Document document, Selection picked, String description) {
        return changed(document, picked, old -> new Picture(old.image(), old.width(), old.height(), old.crop(), old.rotation(), description, old.words()));
    }

    private static Change changed(Document document, Selection picked, UnaryOperator<Picture> change) {
        Inline present = object(document, picked);
        Picture old = picture(present);
        if (old == null) throw new IllegalArgumentException("What is picked is no picture");
        Picture made = change.apply(old);
        Draft draft = new Draft(document, picked);
        if (made.equals(old)) return draft.done(EditKind.OBJECT, picked);
        Inline inline = present instanceof Inline.Floating floating ? new Inline.Floating(floating.anchor(), made, floating.look())
                : new Inline.InlinePicture(made, present.look());
        Place at = picked.head().at(picked.stretches(document).get(0).from());
        Paragraph paragraph = document.paragraph(at);
        draft.add(new TextStep(at.story(), at.path(), Cut.after(paragraph, at.offset()), Cut.before(at.offset() + 1), List.of(inline)));
        return draft.done(EditKind.OBJECT, new TextSelection(at, at.at(at.offset() + 1)));
    }

    /**
     * A picture put in, in the place of what is picked, as a letter in its line.
     *
     * @param width in points
     */
    public static Change insert(Document document, Selection picked, Image image, double width, double height) {
        Draft draft = new Draft(document, picked);
        Place at = Deletion.into(draft, picked);
        Paragraph paragraph = draft.document().paragraph(at);
        Cut cut = Cut.in(paragraph, at.offset());
        draft.add(new TextStep(at.story(), at.path(), cut, cut, List.of(new Inline.InlinePicture(new Picture(image, width, height, null), Look.PLAIN))));
        return draft.done(EditKind.OBJECT, around(at));
    }

    /** How wide text is in the column of a place, in points; in headers, footers and notes as in the body they belong to. */
    public static double room(Document document, Place place) {
        Section section = document.sections().get(place.inBody().path().step(0));
        if (place.story() instanceof Story.Frame) return section.page().textWidth();
        return section.columns().within(section.page().textWidth()).get(0)[1];
    }
}
