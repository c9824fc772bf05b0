package app.decant.format;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import java.util.List;

/** What tests ask of a document that was read from a small file. */
public final class Reading {
    private Reading() { }

    /** The paragraphs of the body, those in tables left out. */
    public static List<Paragraph> paragraphs(Document document) {
        return document.blocks().stream().filter(block -> block instanceof Paragraph).map(block -> (Paragraph) block).toList();
    }

    public static List<String> texts(Document document) { return paragraphs(document).stream().map(Paragraph::plainText).toList(); }

    /** How a paragraph looks, styles and all. */
    public static Look paragraph(Document document, int index) { return Cascade.of(document).paragraph(paragraphs(document).get(index)); }

    /** How the first run looks that holds some text, styles and all. */
    public static Look run(Document document, String text) {
        for (Paragraph paragraph : paragraphs(document)) {
            for (Inline inline : paragraph.inlines())
                if (inline instanceof Inline.Text run && run.text().contains(text)) return Cascade.of(document).text(paragraph, run.look());
        }
        throw new AssertionError("No run holds " + text);
    }
}
