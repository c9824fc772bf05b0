package app.decant.format.odf;

import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Rewriting;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import java.util.List;

/** Words that somebody put in and somebody took out again while changes were tracked: this format has no place for both, and neither way are they there. */
final class CameAndWent extends Rewriting {
    private CameAndWent() { }

    static Document without(Document document) { return new CameAndWent().document(document); }

    @Override protected Paragraph paragraph(Paragraph told) {
        Paragraph paragraph = super.paragraph(told);
        List<Inline> left = paragraph.inlines().stream().filter(inline -> !isBoth(inline.look().get(TextProperty.TRACKED))).toList();
        return left.size() == paragraph.inlines().size() ? paragraph : paragraph.withInlines(left);
    }

    private static boolean isBoth(TrackedChange change) { return change != null && change.insertion() != null && change.deletion() != null; }
}
