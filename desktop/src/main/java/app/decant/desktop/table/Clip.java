package app.decant.desktop.table;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.TrackedChanges;
import app.decant.edit.Slice;
import app.decant.format.Formats;
import app.decant.format.html.WebFormat;
import app.decant.format.rtf.RtfFormat;
import app.decant.picture.PictureFile;
import java.awt.image.BufferedImage;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import org.slf4j.LoggerFactory;

/** The clipboard that all programs share: passages go out as text, as a web page and as rich text, and come in as whichever of them tells most. */
final class Clip {
    /** What is larger comes in as its text alone. */
    private static final int MOST_LETTERS = 4_000_000;
    /** More blocks than that go out as their text alone. */
    private static final int MOST_BLOCKS = 3_000;

    private Clip() { }

    /** @param document that the slice was taken from */
    static void put(Document document, Slice slice) {
        ClipboardContent content = new ClipboardContent();
        content.putString(slice.text());
        if (slice.blocks().size() <= MOST_BLOCKS) {
            Document alone = document.withSections(List.of(Section.PLAIN.withBlocks(slice.blocks())));
            try {
                content.putHtml(new String(WebFormat.HTML.write(TrackedChanges.settled(alone, true), Instant.EPOCH).bytes(), StandardCharsets.UTF_8));
                content.putRtf(new String(RtfFormat.RTF.write(alone, Instant.EPOCH).bytes(), StandardCharsets.US_ASCII));
            } catch (RuntimeException e) {
                LoggerFactory.getLogger(Clip.class).warn("Only the text is copied", e);
            }
        }
        Clipboard.getSystemClipboard().setContent(content);
    }

    static String text() {
        String text = Clipboard.getSystemClipboard().getString();
        return text == null ? "" : text;
    }

    /** What another program put there with its looks, not read yet; null where there is only text. */
    static Dressed dressed() {
        Clipboard clipboard = Clipboard.getSystemClipboard();
        String html = clipboard.hasHtml() ? clipboard.getHtml() : null;
        if (isFit(html)) {
            // A web page on the clipboard need not say that it is one.
            boolean told = html.regionMatches(true, 0, "<!doctype", 0, 9);
            return new Dressed(told ? html : "<!DOCTYPE html><meta charset=utf-8>" + html, "pasted.html");
        }
        String rtf = clipboard.hasRtf() ? clipboard.getRtf() : null;
        return isFit(rtf) ? new Dressed(rtf, "pasted.rtf") : null;
    }

    private static boolean isFit(String text) { return text != null && !text.isBlank() && text.length() <= MOST_LETTERS; }

    /** A passage as a file of another format has it. */
    record Dressed(String text, String name) {
        /** Whether it is read before anybody notices. */
        boolean isShort() { return text.length() < 50_000; }

        /** The passage as a document, or null where it can't be read; then its text alone is left. */
        Document read() {
            try {
                return Formats.read(text.getBytes(StandardCharsets.UTF_8), name, null, Progress.SILENT).document();
            } catch (DecantException | StackOverflowError e) {
                LoggerFactory.getLogger(Clip.class).info("What is on the clipboard comes in as its text alone", e);
                return null;
            }
        }
    }

    /** A picture that another program put there, or null. */
    static PictureFile picture() {
        Image image = Clipboard.getSystemClipboard().hasImage() ? Clipboard.getSystemClipboard().getImage() : null;
        if (image == null || image.getPixelReader() == null || image.getWidth() < 1 || image.getHeight() < 1) return null;
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        int[] colours = new int[width * height];
        image.getPixelReader().getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), colours, 0, width);
        BufferedImage pixels = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        pixels.setRGB(0, 0, width, height, colours, 0, width);
        return PictureFile.of(pixels);
    }
}
