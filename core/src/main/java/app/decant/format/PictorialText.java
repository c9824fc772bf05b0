package app.decant.format;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Rewriting;
import app.decant.document.TextProperty;
import app.decant.font.SymbolEncoding;
import java.util.ArrayList;
import java.util.List;

/**
 * A document whose signs of pictorial fonts are Unicode characters, which can be searched, read aloud and shown by any wide font. Signs that nothing stands
 * for stay as their file has them; pages tell that no font has them.
 */
final class PictorialText extends Rewriting {
    private final Cascade cascade;

    private PictorialText(Cascade cascade) { this.cascade = cascade; }

    /** The very document where there is none. */
    static Document of(Document document) { return new PictorialText(Cascade.of(document)).document(document); }

    @Override protected Paragraph paragraph(Paragraph told) {
        Paragraph paragraph = super.paragraph(told);
        List<Inline> made = null;
        for (int i = 0; i < paragraph.inlines().size(); i++) {
            if (!(paragraph.inlines().get(i) instanceof Inline.Text text) || !SymbolEncoding.hasSigns(text.text())) continue;
            String signs = SymbolEncoding.unicode(cascade.text(told, text.look()).get(TextProperty.FAMILY), text.text());
            if (signs.equals(text.text())) continue;
            if (made == null) made = new ArrayList<>(paragraph.inlines());
            // The font has no Unicode characters; that of the words around does as well.
            Look look = SymbolEncoding.hasSigns(signs) || !SymbolEncoding.isPictorial(text.look().get(TextProperty.FAMILY)) ? text.look()
                    : text.look().without(TextProperty.FAMILY);
            made.set(i, new Inline.Text(signs, look));
        }
        return made == null ? paragraph : paragraph.withInlines(made);
    }
}
