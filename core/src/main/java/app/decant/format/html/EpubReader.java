package app.decant.format.html;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.format.Archive;
import app.decant.format.OfficePackage;
import app.decant.format.Taken;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;
import org.slf4j.LoggerFactory;

/** Reads books (EPUB 3) that are not protected: the pages of the spine, one behind another, with their pictures. */
public final class EpubReader {
    private static final Set<String> FONTS = Set.of("http://www.idpf.org/2008/embedding", "http://ns.adobe.com/pdf/enc#RC");

    private EpubReader() { }

    public static Taken read(byte[] file, String name, Progress progress) {
        Map<String, byte[]> parts = Archive.parts(file);
        if (isProtected(parts.get("META-INF/encryption.xml")))
            throw new DecantException(Kind.NOT_PERMITTED, Message.of("html.is-protected-by-its-publisher", name));
        Document container = xml(parts, "META-INF/container.xml", name);
        String path = container.select("rootfile").attr("full-path");
        Document book = xml(parts, path, name);
        String folder = path.contains("/") ? path.substring(0, path.lastIndexOf('/') + 1) : "";
        Map<String, Element> items = new LinkedHashMap<>();
        for (Element item : book.select("manifest > item")) items.put(item.attr("id"), item);
        StringBuilder css = new StringBuilder();
        for (Element item : items.values()) {
            byte[] sheet = item.attr("media-type").equals("text/css") ? parts.get(OfficePackage.resolved(folder, decoded(item.attr("href")))) : null;
            if (sheet != null) css.append(new String(sheet, StandardCharsets.UTF_8)).append('\n');
        }
        Map<String, Document> chapters = new LinkedHashMap<>();
        for (Element reference : book.select("spine > itemref")) {
            Element item = items.get(reference.attr("idref"));
            String target = item == null ? null : OfficePackage.resolved(folder, decoded(item.attr("href")));
            if (target != null && parts.containsKey(target)) chapters.putIfAbsent(target, chapter(parts.get(target)));
        }
        new ChapterNames(chapters).join();
        StringBuilder body = new StringBuilder();
        chapters.forEach((target, chapter) -> {
            progress.step(0, 0, Message.of("step.reading"));
            for (Element drawn : chapter.select("svg:has(image)")) shown(drawn);
            for (Element picture : chapter.select("img[src]")) inside(picture, parts, target, folder, items);
            body.append(chapter.body().html());
        });
        String title = book.getElementsByTag("dc:title").text();
        String author = book.getElementsByTag("dc:creator").text();
        return HtmlReader.read("<html lang=\"" + Markup.escaped(book.getElementsByTag("dc:language").text()) + "\"><head><title>" + Markup.escaped(title)
                + "</title><meta name=\"author\" content=\"" + Markup.escaped(author) + "\"><style>" + css + "</style></head><body>" + body
                + "</body></html>", progress);
    }

    /** A chapter in whatever encoding it says it is in. */
    private static Document chapter(byte[] page) {
        try {
            return Jsoup.parse(new ByteArrayInputStream(page), null, "");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Fonts made unreadable for other books are no lock on a book (EPUB 3.3, 4.2.6.3.2 and 4.3); anything else that is encrypted is. */
    private static boolean isProtected(byte[] encryption) {
        if (encryption == null) return false;
        for (Element method : Jsoup.parse(new String(encryption, StandardCharsets.UTF_8), "", Parser.xmlParser()).getAllElements())
            if (method.tagName().endsWith("EncryptionMethod") && method.parent() != null && method.parent().tagName().endsWith("EncryptedData")
                    && !FONTS.contains(method.attr("Algorithm"))) return true;
        return false;
    }

    /** A drawing that is nothing but a picture, as covers are: the picture. */
    private static void shown(Element drawing) {
        Element image = drawing.selectFirst("image");
        String source = image.hasAttr("xlink:href") ? image.attr("xlink:href") : image.attr("href");
        Element picture = new Element("img").attr("src", source);
        Element title = drawing.selectFirst("title");
        if (title != null) picture.attr("alt", title.text());
        drawing.replaceWith(picture);
    }

    private static void inside(Element picture, Map<String, byte[]> parts, String chapter, String folder, Map<String, Element> items) {
        String path = OfficePackage.resolved(chapter.substring(0, chapter.lastIndexOf('/') + 1), decoded(picture.attr("src")));
        byte[] bytes = parts.get(path);
        String type = items.values().stream().filter(item -> OfficePackage.resolved(folder, decoded(item.attr("href"))).equals(path))
                .map(item -> item.attr("media-type")).findFirst().orElse("image/png");
        if (bytes != null) picture.attr("src", "data:" + type + ";base64," + Base64.getEncoder().encodeToString(bytes));
    }

    /** Addresses within a book are written as on the web (RFC 3986, 2.1); what is wrongly written stays. */
    static String decoded(String href) {
        try {
            return URLDecoder.decode(href.replace("+", "%2B"), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            LoggerFactory.getLogger(EpubReader.class).debug("{} is no address", href, e);
            return href;
        }
    }

    private static Document xml(Map<String, byte[]> parts, String path, String name) {
        byte[] part = parts.get(path);
        if (part == null) throw new DecantException(Kind.UNREADABLE, Message.of("html.is-damaged-its-is-missing-ask", name, path.isEmpty(), path));
        return Jsoup.parse(new String(part, StandardCharsets.UTF_8), "", Parser.xmlParser());
    }
}
