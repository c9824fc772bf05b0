package app.decant.format;

import app.decant.document.Document;
import app.decant.format.binary.DocWriter;
import app.decant.format.html.EpubWriter;
import app.decant.format.html.HtmlWriter;
import app.decant.format.html.MarkdownWriter;
import app.decant.format.odf.OdtWriter;
import app.decant.format.ooxml.DocxWriter;
import app.decant.format.rtf.RtfWriter;
import app.decant.format.text.PlainText;
import app.decant.format.text.TextWriter;
import java.time.Instant;
import java.util.List;

/** The formats of text documents that are written here. */
public enum TextFormat {
    DOCX("docx", "a .docx") {
        @Override public Written write(Document document, Instant when) { return new Written(DocxWriter.write(document, when), List.of()); }
    },
    DOTX("dotx", "a .dotx template") {
        @Override public Written write(Document document, Instant when) { return new Written(DocxWriter.write(document, when, true), List.of()); }
    },
    DOC("doc", "a .doc") {
        @Override public Written write(Document document, Instant when) { return DocWriter.write(document, when, false); }
    },
    DOT("dot", "a .dot template") {
        @Override public Written write(Document document, Instant when) { return DocWriter.write(document, when, true); }
    },
    ODT("odt", "an .odt") {
        @Override public Written write(Document document, Instant when) { return OdtWriter.write(document, when, false); }
    },
    OTT("ott", "an .ott template") {
        @Override public Written write(Document document, Instant when) { return OdtWriter.write(document, when, true); }
    },
    RTF("rtf", "an .rtf") {
        @Override public Written write(Document document, Instant when) { return RtfWriter.write(document, when); }
    },
    HTML("html", "a web page") {
        @Override public Written write(Document document, Instant when) { return HtmlWriter.write(document); }
    },
    EPUB("epub", "an EPUB book") {
        @Override public Written write(Document document, Instant when) { return EpubWriter.write(document, when); }
    },
    MD("md", "Markdown") {
        @Override public Written write(Document document, Instant when) { return MarkdownWriter.write(document); }
    },
    TXT("txt", "plain text") {
        @Override public Written write(Document document, Instant when) {
            return TextWriter.write(document, PlainText.PLAIN);
        }
    };

    private final String ending;
    private final String words;

    TextFormat(String ending, String words) {
        this.ending = ending;
        this.words = words;
    }

    /** The ending of file names, without its stop. */
    public String ending() { return ending; }

    /** How it reads in a sentence. */
    public String words() { return words; }

    /**
     * Writes a document, fields with the results they show.
     *
     * @param when recorded in the file as its time of making
     */
    public abstract Written write(Document document, Instant when);
}
