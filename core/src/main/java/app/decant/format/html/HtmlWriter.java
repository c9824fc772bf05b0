package app.decant.format.html;

import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Picture;
import app.decant.format.FramedBlocks;
import app.decant.format.Written;
import app.decant.picture.PictureDecoder;
import app.decant.words.Message;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Set;
import javax.imageio.ImageIO;
import org.slf4j.LoggerFactory;

/** Writes a document as one web page with its style sheet and pictures inside. */
public final class HtmlWriter {
    private static final double RESOLUTION = 200;

    private HtmlWriter() { }

    public static Written write(Document framed) {
        Document document = FramedBlocks.flowing(framed);
        HtmlLooks looks = new HtmlLooks(document);
        HtmlBody body = new HtmlBody(document, looks, HtmlWriter::inside, name -> "#" + name);
        String markup = body.markup(document.blocks());
        Markup page = new Markup().raw("<!DOCTYPE html>\n").open("html", "lang", language(document)).line().open("head").line();
        page.open("meta", "charset", "utf-8").line().open("meta", "name", "viewport", "content", "width=device-width, initial-scale=1").line();
        Facts facts = document.facts();
        page.open("title").text(facts.title() == null ? "" : facts.title()).close().line();
        fact(page, "author", facts.author());
        fact(page, "description", facts.subject());
        fact(page, "keywords", facts.keywords());
        page.open("style").raw("\n" + looks.sheet()).close().line().close().line().open("body").line().raw(markup).close().line().close().line();
        return new Written(page.toString().getBytes(StandardCharsets.UTF_8), findings(body.lost(), "web page", document));
    }

    static String language(Document document) { return document.facts().language() == null ? "en" : document.facts().language(); }

    private static void fact(Markup page, String name, String value) { if (value != null) page.open("meta", "name", name, "content", value).line(); }

    static List<Finding> findings(Set<String> lost, String what, Document document) {
        List<Finding> findings = new ArrayList<>();
        if (document.sections().stream().anyMatch(section -> !section.frames().isEmpty()))
            findings.add(Finding.lost(Message.of("html.headers-and-footers-have-no-place", what)));
        findings.add(Finding.changed(Message.of("html.a-has-no-pages-lines-and-pages", what)));
        if (lost.contains("opaque"))
            findings.add(Finding.lost(Message.of("html.charts-formulas-and-embedded-objects-that-have", what)));
        if (lost.contains("picture")) findings.add(Finding.lost(Message.of("html.a-picture-cannot-be-decoded", what)));
        if (lost.contains("crop")) findings.add(Finding.changed(Message.of("html.pictures-of-which-a-part-is-cut")));
        if (lost.contains("spans")) findings.add(Finding.changed(Message.of("html.cells-in-boxes-are-parted")));
        if (lost.contains("boxes")) findings.add(Finding.changed(Message.of("html.text-boxes-keep-their-words-and-their")));
        return findings;
    }

    private static String inside(Picture picture) {
        Shown shown = shown(picture);
        return shown == null ? null : "data:" + shown.type + ";base64," + Base64.getEncoder().encodeToString(shown.bytes);
    }

    /** A picture as browsers show it. */
    record Shown(String type, byte[] bytes) { }

    /** PNG, JPEG and GIF as they are, all else as pixels; null where it can't be decoded. */
    static Shown shown(Picture picture) {
        String type = picture.image().type();
        if (Set.of("image/png", "image/jpeg", "image/gif").contains(type)) return new Shown(type, picture.image().bytes());
        try {
            BufferedImage pixels = PictureDecoder.decode(picture.image(), RESOLUTION);
            if (pixels == null) return null;
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            ImageIO.write(pixels, "png", bytes);
            return new Shown("image/png", bytes.toByteArray());
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(HtmlWriter.class).info("A picture can't be written: {}", picture.image(), e);
            return null;
        }
    }
}
