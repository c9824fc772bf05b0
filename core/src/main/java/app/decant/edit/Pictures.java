package app.decant.edit;

import app.decant.document.Anchor;
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
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;

/** What is done to pictures: put in, replaced, made larger or smaller, described. */
public final class Pictures {
    /** So much of a picture may be cut off at most, across or down. */
    private static final double MOST_CUT = 0.95;

    private Pictures() { }

    /** The picture that is picked: the one object in it; null where it is none. */
    public static Picture picked(Document document, Selection picked) {
        return picture(object(document, picked));
    }

    static Inline object(Document document, Selection picked) {
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

    /** The picture that is picked in another size. */
    public static Change size(Document document, Selection picked, double width, double height) {
        return changed(document, picked, old -> old.sized(width, height));
    }

    /**
     * Shows another part of the picture that is picked, as large as it was: it becomes smaller or larger by what is cut off.
     *
     * @param crop what is cut off on each side, as shares of the whole; less than all of it
     */
    public static Change crop(Document document, Selection picked, TableProperty.Insets crop) {
        if (crop.left() + crop.right() > MOST_CUT || crop.top() + crop.bottom() > MOST_CUT) throw new IllegalArgumentException("Nothing would be left of it");
        return changed(document, picked, old -> {
            double whole = old.width() / Math.max(1 - MOST_CUT, 1 - old.crop().left() - old.crop().right());
            double high = old.height() / Math.max(1 - MOST_CUT, 1 - old.crop().top() - old.crop().bottom());
            double wide = whole * (1 - crop.left() - crop.right());
            double tall = high * (1 - crop.top() - crop.bottom());
            double right = (old.crop().left() - crop.left()) * whole;
            double down = (old.crop().top() - crop.top()) * high;
            List<Picture.Word> words = old.words().stream().map(word -> new Picture.Word(word.text(), word.x() + right, word.baseline() + down, word.width(),
                    word.size())).filter(word -> word.x() >= 0 && word.x() < wide && word.baseline() >= 0 && word.baseline() < tall + word.size()).toList();
            return new Picture(old.image(), wide, tall, crop, old.rotation(), old.description(), words);
        });
    }

    /**
     * Turns the picture that is picked by a quarter, as a clock's hands go; it becomes smaller where its line would have no room for it.
     *
     * @param turned what it shows then
     */
    public static Change turn(Document document, Selection picked, Image turned) {
        double room = room(document, picked.head());
        return changed(document, picked, old -> {
            TableProperty.Insets cut = new TableProperty.Insets(old.crop().left(), old.crop().top(), old.crop().right(), old.crop().bottom());
            double share = Math.min(1, room / old.height());
            return new Picture(turned, old.height() * share, old.width() * share, cut, old.rotation(), old.description());
        });
    }

    /** How the picture that is picked stands to the text; null where none is picked. */
    public static Placing placing(Document document, Selection picked) {
        Inline object = object(document, picked);
        return picture(object) == null ? null : Placing.of(object);
    }

    /** Makes the picture that is picked stand otherwise to the text. */
    public static Change place(Document document, Selection picked, Placing wished) {
        return replaced(document, picked, (present, picture) -> {
            if (wished == Placing.IN_LINE) return new Inline.InlinePicture(picture, present.look());
            Anchor before = present instanceof Inline.Floating floating ? floating.anchor() : null;
            return new Inline.Floating(wished.anchor(before), picture, present.look());
        });
    }

    /**
     * Moves the picture that is picked, which stands in no line, on its page.
     *
     * @param right by so many points
     * @param down  likewise
     * @param left  where its left edge stands then, from that of the page
     * @param top   where its upper edge stands then, from that of the page
     */
    public static Change move(Document document, Selection picked, double right, double down, double left, double top) {
        return replaced(document, picked, (present, picture) -> {
            if (!(present instanceof Inline.Floating floating)) return present;
            Anchor.Horizontal across = floating.anchor().horizontal();
            Anchor.Vertical downwards = floating.anchor().vertical();
            // What is aligned has no distance yet to which something could be added.
            across = across.alignment() == null ? new Anchor.Horizontal(across.from(), null, across.offset() + right)
                    : new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, left);
            downwards = downwards.alignment() == null ? new Anchor.Vertical(downwards.from(), null, downwards.offset() + down)
                    : new Anchor.Vertical(Anchor.Vertical.From.PAGE, null, top);
            Anchor moved = new Anchor(across, downwards, floating.anchor().wrap(), floating.anchor().distance(), floating.anchor().behind(),
                    floating.anchor().level());
            return new Inline.Floating(moved, picture, floating.look());
        });
    }

    /** Takes the picture that is picked out of its line and puts it into another, or elsewhere in the same. */
    public static Change moveTo(Document document, Selection picked, Place there) {
        Inline present = object(document, picked);
        if (picture(present) == null) throw new IllegalArgumentException("What is picked is no picture");
        Place at = picked.head().at(picked.stretches(document).get(0).from());
        Draft draft = new Draft(document, picked);
        boolean same = there.story().equals(at.story()) && there.path().equals(at.path());
        if (same && (there.offset() == at.offset() || there.offset() == at.offset() + 1)) return draft.done(EditKind.OBJECT, picked);
        Paragraph paragraph = document.paragraph(at);
        draft.add(new TextStep(at.story(), at.path(), Cut.after(paragraph, at.offset()), Cut.before(at.offset() + 1), List.of()));
        Place to = same && there.offset() > at.offset() ? there.at(there.offset() - 1) : there;
        Cut cut = Cut.in(draft.document().paragraph(to), to.offset());
        draft.add(new TextStep(to.story(), to.path(), cut, cut, List.of(present)));
        return draft.done(EditKind.OBJECT, around(to));
    }

    /** What is read to people who don't see it; empty where it is only there for looks, null where nobody said. */
    public static Change describe(Document document, Selection picked, String description) {
        return changed(document, picked, old -> new Picture(old.image(), old.width(), old.height(), old.crop(), old.rotation(), description, old.words()));
    }

    private static Change changed(Document document, Selection picked, UnaryOperator<Picture> change) {
        return replaced(document, picked, (present, picture) -> with(present, change.apply(picture)));
    }

    /** Another picture that stands as one does. */
    static Inline with(Inline present, Picture made) {
        return present instanceof Inline.Floating floating ? new Inline.Floating(floating.anchor(), made, floating.look())
                : new Inline.InlinePicture(made, present.look());
    }

    /** Puts something else in the place of the picture that is picked. */
    static Change replaced(Document document, Selection picked, BiFunction<Inline, Picture, Inline> change) {
        Inline present = object(document, picked);
        Picture old = picture(present);
        if (old == null) throw new IllegalArgumentException("What is picked is no picture");
        Inline made = change.apply(present, old);
        Draft draft = new Draft(document, picked);
        if (made.equals(present)) return draft.done(EditKind.OBJECT, picked);
        Place at = picked.head().at(picked.stretches(document).get(0).from());
        Paragraph paragraph = document.paragraph(at);
        draft.add(new TextStep(at.story(), at.path(), Cut.after(paragraph, at.offset()), Cut.before(at.offset() + 1), List.of(made)));
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
