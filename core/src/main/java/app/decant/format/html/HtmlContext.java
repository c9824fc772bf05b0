package app.decant.format.html;

import app.decant.document.Look;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty;

/** What holds where an element stands. */
record HtmlContext(Look text, Look paragraph, String style, ParagraphProperty.ListReference list, boolean spaces, int depth) {
    double size() { return text.get(TextProperty.SIZE, HtmlReader.SIZE); }
    HtmlContext text(Look own) { return new HtmlContext(own.over(text), paragraph, style, list, spaces, depth); }
    HtmlContext inner() { return new HtmlContext(text, paragraph, style, list, spaces, depth + 1); }
}
