package app.decant.format.html;

import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.format.Content;
import app.decant.format.Format;
import app.decant.format.FormatFamily;
import app.decant.format.FormatName;
import app.decant.format.Taken;
import app.decant.format.Written;
import app.decant.format.text.TextReader;
import java.time.Instant;
import java.util.List;
import java.util.Set;

/** Web pages, and what is made of them or becomes one: books and Markdown. */
public enum WebFormat implements Format {
    EPUB("epub", Group.TEXT) {
        @Override public boolean isOf(Content content) { return content.isOfMediaType("application/epub+zip"); }
        @Override public Taken read(Content content, String password, Progress progress) { return EpubReader.read(content.bytes(), content.name(), progress); }
        @Override public Written write(Document document, Instant when) { return EpubWriter.write(document, when); }

        /** A book has its navigation in place of contents lists. */
        @Override public Document shown(Document document) {
            return document.withSections(document.sections().stream().map(section -> section.withBlocks(section.blocks().stream()
                    .filter(block -> !(block instanceof Contents)).toList())).toList());
        }
    },
    HTML("html", Group.TEXT) {
        @Override public Set<String> endings() { return Set.of("html", "htm"); }

        @Override public boolean isOf(Content content) {
            boolean packed = content.isArchive() || content.isCompound();
            return !packed && (content.beginning().contains("<!doctype html") || content.beginning().contains("<html"));
        }

        @Override public Taken read(Content content, String password, Progress progress) { return HtmlReader.read(content.bytes(), content.name(), progress); }
        @Override public Written write(Document document, Instant when) { return HtmlWriter.write(document); }
    },
    MD("md", Group.TEXT) {
        @Override public Set<String> endings() { return Set.of("md", "markdown"); }

        /** It is plain text by its content; only its name tells that it is meant so. */
        @Override public boolean isOf(Content content) { return endings().contains(content.ending()) && content.isText(); }

        @Override public Taken read(Content content, String password, Progress progress) {
            return MarkdownReader.read(TextReader.text(content.bytes()), progress);
        }

        @Override public Written write(Document document, Instant when) { return MarkdownWriter.write(document); }
        @Override public boolean takesFacts() { return false; }

        /** Markdown has labels of its own for lists. */
        @Override public String compared(String text) { return text.replaceAll("[^\\p{L}\\p{N}]+", ""); }
    };

    private final FormatName named;

    WebFormat(String ending, Group group) { named = new FormatName(ending, group); }

    @Override public FormatName named() { return named; }
    @Override public boolean reads() { return true; }
    @Override public boolean writes() { return true; }

    /** All of them. */
    public static final class Family implements FormatFamily {
        @Override public List<Format> formats() { return List.of(values()); }
    }
}
