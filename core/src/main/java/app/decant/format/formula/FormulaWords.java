package app.decant.format.formula;

import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Rewriting;
import app.decant.document.TextProperty;

/** A document whose formulas are words in their lines, for formats that hold words alone. */
public final class FormulaWords extends Rewriting {
    private FormulaWords() { }

    /** The very document where there is no formula in it. */
    public static Document of(Document document) { return new FormulaWords().document(document); }

    @Override protected Inline inline(Inline told) {
        Inline inline = super.inline(told);
        if (!(inline instanceof Inline.OpaqueInline kept) || !FormulaPictures.isFormula(kept.opaque())) return inline;
        return new Inline.Text(FormulaPictures.formula(kept.opaque()).inWords(), kept.look().without(TextProperty.RAISE));
    }
}
