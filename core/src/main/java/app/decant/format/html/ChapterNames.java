package app.decant.format.html;

import app.decant.format.OfficePackage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;

/**
 * The chapters of a book name their places as if each were alone. In one text no two may have the same name, and links lead from one chapter to another by
 * names instead of files.
 */
final class ChapterNames {
    private final Map<String, Document> chapters;
    private final List<String> paths;
    /** In how many chapters a name is. */
    private final Map<String, Integer> counts = new HashMap<>();

    /** @param chapters by where they are in the book, in their order */
    ChapterNames(Map<String, Document> chapters) {
        this.chapters = chapters;
        paths = new ArrayList<>(chapters.keySet());
        chapters.values().forEach(chapter -> chapter.select("[id]").eachAttr("id").stream().distinct().forEach(name -> counts.merge(name, 1, Integer::sum)));
    }

    void join() {
        Map<String, Boolean> landed = new HashMap<>();
        chapters.forEach((path, chapter) -> {
            for (Element link : chapter.select("a[href]")) {
                String href = link.attr("href");
                if (href.matches("(?i)[a-z][a-z0-9+.-]*:.*")) continue;
                int mark = href.indexOf('#');
                String file = EpubReader.decoded(mark < 0 ? href : href.substring(0, mark));
                String target = file.isEmpty() ? path : OfficePackage.resolved(path.substring(0, path.lastIndexOf('/') + 1), file);
                if (!chapters.containsKey(target)) {
                    link.removeAttr("href");
                    continue;
                }
                if (mark < 0) landed.put(target, true);
                link.attr("href", "#" + (mark < 0 ? start(target) : name(target, EpubReader.decoded(href.substring(mark + 1)))));
            }
        });
        chapters.forEach((path, chapter) -> {
            for (Element named : chapter.body().select("[id]")) named.attr("id", name(path, named.attr("id")));
            if (landed.containsKey(path)) chapter.body().prepend("<span id=\"" + start(path) + "\"></span>");
        });
    }

    private String start(String path) { return "chapter" + (paths.indexOf(path) + 1); }

    private String name(String path, String name) { return counts.getOrDefault(name, 0) > 1 ? start(path) + "-" + name : name; }
}
