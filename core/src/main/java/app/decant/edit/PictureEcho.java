package app.decant.edit;

import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;

/** Pictures as wide as one that is right; each keeps its shape. */
public record PictureEcho(double width, TextSelection model, List<TextSelection> others) implements Alike {
    /** A width that differs by less is the same to everybody. */
    private static final double SAME = 0.05;

    /** The other pictures of the body. @param picked a picture */
    public static PictureEcho of(Document document, TextSelection picked) {
        List<TextSelection> others = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int at = 0;
            for (Inline inline : stop.paragraph().inlines()) {
                TextSelection here = new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + inline.length()));
                if (inline.length() == 1 && Pictures.picked(document, here) != null && !here.equals(picked)) others.add(here);
                at += inline.length();
            }
        }
        return new PictureEcho(Pictures.picked(document, picked).width(), picked, others);
    }

    @Override public String words(Document document, int other) {
        Picture picture = Pictures.picked(document, others.get(other));
        return picture == null || picture.description() == null ? "" : picture.description().replaceAll("\\s+", " ").strip();
    }

    @Override public Change give(Document document, Selection picked, List<Integer> wanted) {
        Draft draft = new Draft(document, picked);
        for (int other : wanted) {
            TextSelection at = others.get(other);
            Picture picture = Pictures.picked(document, at);
            if (picture == null || Math.abs(picture.width() - width) < SAME) continue;
            Paragraph paragraph = draft.document().paragraph(at.start());
            Picture made = picture.sized(width, picture.height() * width / picture.width());
            Inline inline = Pictures.with(new ObjectSelection(at.start()).object(draft.document()), made);
            draft.add(new TextStep(at.story(), at.start().path(), Cut.after(paragraph, at.start().offset()), Cut.before(at.end().offset()), List.of(inline)));
        }
        return draft.done(EditKind.OBJECT, picked);
    }

    @Override public Change giveTo(Document document, Selection picked) {
        Picture picture = Pictures.picked(document, picked);
        if (picture == null || picked.equals(model) || Math.abs(picture.width() - width) < SAME) return null;
        return Pictures.resize(document, picked, width);
    }
}
