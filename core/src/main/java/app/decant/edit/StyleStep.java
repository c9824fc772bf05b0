package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Numbering;
import app.decant.document.StyleSheet;

/** Other styles and lists for the whole document. */
public record StyleStep(StyleSheet styles, Numbering numbering) implements Step {
    @Override public Outcome apply(Document document) {
        Document made = document.styles() == styles ? document : document.withStyles(styles);
        return Outcome.of(made.numbering() == numbering ? made : made.withNumbering(numbering));
    }

    @Override public StyleStep inverse(Document before) { return new StyleStep(before.styles(), before.numbering()); }

    @Override public PositionMap map() { return PositionMap.SAME; }
}
