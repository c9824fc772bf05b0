package app.decant.format.html;

import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.NumberFormat;
import app.decant.document.Progress;
import app.decant.format.formula.FormulaWords;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.FormatFamily;
import app.decant.format.FormatName;
import app.decant.format.HiddenText;
import app.decant.format.Taken;
import app.decant.format.Written;
import app.decant.format.text.TextReader;
import app.decant.words.Message;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/** Web pages, and what is made of them or becomes one: books and Markdown. */
public enum WebFormat implements Format {
    EPUB("epub", Group.TEXT) {
        @Override public boolean isOf(Content content) { return content.isOfMediaType("application/epub+zip"); }
        @Override public Taken read(Content content, String password, Progress progress) { return EpubReader.read(content.bytes(), content.name(), progress); }
        @Override public Written write(Document document, Instant when) { return seen(document, "book", seen -> EpubWriter.write(seen, when)); }

        /** A book has its navigation in place of contents lists. */
        @Override public Document shown(Document document) {
            Document seen = super.shown(document);
            return seen.withSections(seen.sections().stream().map(section -> section.withBlocks(section.blocks().stream()
                    .filter(block -> !(block instanceof Contents contents && contents.listsHeadings())).toList())).toList());
        }
    },
    HTML("html", Group.TEXT) {
        @Override public Set<String> endings() { return Set.of("html", "htm"); }

        @Override public boolean isOf(Content content) {
            boolean packed = content.isArchive() || content.isCompound();
            if (packed) return false;
            String beginning = content.beginning();
            // Both may be left out (HTML, 13.1.2.4): then its name says so, and that markup comes first.
            return beginning.contains("<!doctype html") || beginning.contains("<html")
                    || endings().contains(content.ending()) && content.isText() && beginning.replaceFirst("^[\\s\\uFEFF]+", "").matches("(?s)<[a-z!].*");
        }

        @Override public Taken read(Content content, String password, Progress progress) { return HtmlReader.read(content.bytes(), content.name(), progress); }
        @Override public Written write(Document document, Instant when) { return seen(document, "web page", HtmlWriter::write); }
    },
    MD("md", Group.TEXT) {
        @Override public Set<String> endings() { return Set.of("md", "markdown"); }

        /** It is plain text by its content; only its name tells that it is meant so. */
        @Override public boolean isOf(Content content) { return endings().contains(content.ending()) && content.isText(); }

        @Override public Taken read(Content content, String password, Progress progress) {
            return MarkdownReader.read(TextReader.text(content.bytes()), progress);
        }

        @Override public Written write(Document document, Instant when) { return seen(document, "Markdown", MarkdownWriter::write); }
        @Override public boolean takesFacts() { return false; }

        /** Signs before items are its own, and formulas are words. */
        @Override public Document shown(Document document) {
            return FormulaWords.of(super.shown(document)).withNumbering(document.numbering().each((level, depth) -> level.format() == NumberFormat.BULLET
                    ? level.counting(NumberFormat.BULLET, "\u2022") : level));
        }

        /** Markdown has labels of its own for lists. */
        @Override public String compared(String text) { return text.replaceAll("[^\\p{L}\\p{N}]+", ""); }
    };

    private final FormatName named;

    WebFormat(String ending, Group group) { named = new FormatName(ending, group); }

    /** What is written of a document is what is seen of it: who reads a page should not find in its source what was meant to be hidden. */
    private static Written seen(Document document, String what, Function<Document, Written> writing) {
        Document seen = HiddenText.without(document);
        Written written = writing.apply(seen);
        if (seen == document) return written;
        List<Finding> findings = new ArrayList<>(written.findings());
        findings.add(Finding.lost(Message.of("html.hidden-text-is-left-out", what)));
        return new Written(written.bytes(), findings);
    }

    @Override public FormatName named() { return named; }
    @Override public Document shown(Document document) { return HiddenText.without(document); }
    @Override public boolean reads() { return true; }
    @Override public boolean writes() { return true; }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
