package app.decant.format.html;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.format.Archive;
import app.decant.format.Taken;
import app.decant.words.Message;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.HashMap;
import java.util.Map;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;

/** Reads books (EPUB 3) that are not protected: the pages of the spine, one behind another, with their pictures. */
public final class EpubReader {
    private EpubReader() { }

    public static Taken read(byte[] file, String name, Progress progress) {
        Map<String, byte[]> parts = Archive.parts(file);
        if (parts.containsKey("META-INF/encryption.xml"))
            throw new DecantException(Kind.NOT_PERMITTED, Message.of("html.is-protected-by-its-publisher", name));
        Document container = xml(parts, "META-INF/container.xml", name);
        String path = container.select("rootfile").attr("full-path");
        Document book = xml(parts, path, name);
        String folder = path.contains("/") ? path.substring(0, path.lastIndexOf('/') + 1) : "";
        Map<String, Element> items = new HashMap<>();
        for (Element item : book.select("manifest > item")) items.put(item.attr("id"), item);
        StringBuilder css = new StringBuilder();
        for (Element item : items.values())
            if (item.attr("media-type").equals("text/css") && parts.containsKey(folder + item.attr("href")))
                css.append(new String(parts.get(folder + item.attr("href")), StandardCharsets.UTF_8)).append('\n');
        StringBuilder body = new StringBuilder();
        for (Element reference : book.select("spine > itemref")) {
            Element item = items.get(reference.attr("idref"));
            byte[] page = item == null ? null : parts.get(folder + item.attr("href"));
            if (page == null) continue;
            progress.step(0, 0, Message.of("step.reading"));
            Document chapter = Jsoup.parse(new String(page, StandardCharsets.UTF_8));
            for (Element link : chapter.select("a[href*=#]"))
                if (!link.attr("href").matches("(?i)[a-z]+:.*")) link.attr("href", link.attr("href").replaceFirst("^[^#]*", ""));
            for (Element picture : chapter.select("img[src]")) inside(picture, parts, folder, items);
            body.append(chapter.body().html());
        }
        String title = book.getElementsByTag("dc:title").text();
        String author = book.getElementsByTag("dc:creator").text();
        return HtmlReader.read("<html lang=\"" + Markup.escaped(book.getElementsByTag("dc:language").text()) + "\"><head><title>" + Markup.escaped(title)
                + "</title><meta name=\"author\" content=\"" + Markup.escaped(author) + "\"><style>" + css + "</style></head><body>" + body
                + "</body></html>", progress);
    }

    private static void inside(Element picture, Map<String, byte[]> parts, String folder, Map<String, Element> items) {
        String source = picture.attr("src");
        byte[] bytes = parts.get(folder + source.replaceFirst("^(\\./|\\.\\./)+", ""));
        String type = items.values().stream().filter(item -> item.attr("href").equals(source)).map(item -> item.attr("media-type")).findFirst()
                .orElse("image/png");
        if (bytes != null) picture.attr("src", "data:" + type + ";base64," + Base64.getEncoder().encodeToString(bytes));
    }

    private static Document xml(Map<String, byte[]> parts, String path, String name) {
        byte[] part = parts.get(path);
        if (part == null) throw new DecantException(Kind.UNREADABLE, Message.of("html.is-damaged-its-is-missing-ask", name, path.isEmpty(), path));
        return Jsoup.parse(new String(part, StandardCharsets.UTF_8), "", Parser.xmlParser());
    }
}
