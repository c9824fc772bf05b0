package app.decant.format;

import app.decant.document.DecantException;
import app.decant.document.DecantException.Kind;
import app.decant.document.Progress;
import app.decant.format.binary.DocReader;
import app.decant.format.html.EpubReader;
import app.decant.format.kept.KeptDocument;
import app.decant.format.html.HtmlReader;
import app.decant.format.html.MarkdownReader;
import app.decant.format.odf.OdtReader;
import app.decant.format.ooxml.DocxReader;
import app.decant.format.rtf.RtfReader;
import app.decant.format.text.TextReader;
import java.util.Locale;

/** Leads a file to the reader of its kind. */
public final class TextFormats {
    private TextFormats() { }

    /**
     * Takes a document in.
     *
     * @param name     what people call the file, for sentences
     * @param password for protected files, or null
     * @throws DecantException with a sentence that says why it can't be opened
     */
    public static Taken read(byte[] file, String name, String password, Progress progress) {
        FileKind kind = FileKind.of(file);
        return switch (kind) {
            case DOCX, DOCX_MACROS, DOCX_TEMPLATE -> DocxReader.read(file, kind, progress);
            case KEPT -> KeptDocument.read(file, progress);
            case EPUB -> EpubReader.read(file, name);
            case HTML -> HtmlReader.read(file, name);
            // Markdown is plain text by its content; only its name tells that it is meant so.
            case TEXT -> name.toLowerCase(Locale.ROOT).matches(".*\\.(md|markdown)") ? MarkdownReader.read(TextReader.text(file)) : TextReader.read(file);
            case DOC -> DocReader.read(file, name, password, progress);
            case ODT -> OdtReader.read(file, name);
            case RTF -> RtfReader.read(file, name, progress);
            case ENCRYPTED_OFFICE -> read(OfficeLock.unlocked(file, name, password), name, null, progress);
            case EMPTY -> throw new DecantException(Kind.UNREADABLE,
                    name + " is an empty file; there is nothing in it to open. Ask for it again, or open an older copy.");
            case UNKNOWN, ARCHIVE -> throw new DecantException(Kind.UNSUPPORTED, name + " is not a document: its content is " + kind.phrase()
                    + ". Look whether the right file was picked.");
            case XLSX, XLS, PPTX, PPT, ODS, ODP -> throw new DecantException(Kind.UNSUPPORTED, name + " is " + kind.phrase()
                    + ". Workbooks and slide decks come in a later version.");
            default -> throw new DecantException(Kind.UNSUPPORTED, name + " is " + kind.phrase()
                    + ", which this version can't open yet. Save it as .docx and open that.");
        };
    }
}
