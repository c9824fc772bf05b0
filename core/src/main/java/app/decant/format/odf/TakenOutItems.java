package app.decant.format.odf;

import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Rewriting;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;

/** Items of lists whose end was taken out while changes were tracked: they stand apart from their list (ISO/IEC 26300-1, 5.5.4), without a label. */
final class TakenOutItems extends Rewriting {
    private static final ParagraphProperty.ListReference NONE = new ParagraphProperty.ListReference(null, 0);

    private TakenOutItems() { }

    static Document plain(Document document) { return new TakenOutItems().document(document); }

    @Override protected Paragraph paragraph(Paragraph told) {
        Paragraph paragraph = super.paragraph(told);
        TrackedChange change = paragraph.mark().get(TextProperty.TRACKED);
        return change == null || !change.isDeletion() ? paragraph : paragraph.withLook(paragraph.look().with(ParagraphProperty.LIST, NONE));
    }
}
