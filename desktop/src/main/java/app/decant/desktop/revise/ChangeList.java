package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.edit.WhatChanged.Passage;
import app.decant.edit.WhatChanged.Piece;
import java.util.List;
import java.util.Locale;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;

/** What changed as a web page that stands by itself (HTML Living Standard, 4.7: what was taken out is del, what was put in is ins). */
final class ChangeList {
    private static final String STYLE = "body{font-family:sans-serif;max-width:46em;margin:2em auto;padding:0 1em;line-height:1.5}"
            + "del{color:#A63D2F}ins{color:#3F6B4A;text-decoration:underline}"
            + "h2{font-size:1em;color:#6F6875;margin:1.6em 0 .2em}p{margin:.2em 0;white-space:pre-wrap}";

    private ChangeList() { }

    static String page(String title, String about, List<Passage> passages) {
        Document page = Document.createShell("");
        page.title(title);
        page.head().prependElement("meta").attr("charset", "utf-8");
        page.head().appendElement("style").appendText(STYLE);
        page.getElementsByTag("html").attr("lang", "en");
        page.body().appendElement("h1").text(title);
        page.body().appendElement("p").text(about);
        for (Passage passage : passages) {
            page.body().appendElement("h2").text(Words.of("changes." + passage.kind().name().toLowerCase(Locale.ROOT)));
            Element words = page.body().appendElement("p");
            for (Piece piece : passage.pieces()) {
                switch (piece.fate()) {
                    case STAYED -> words.appendText(piece.words());
                    case GONE -> words.appendElement("del").text(piece.words());
                    case CAME -> words.appendElement("ins").text(piece.words());
                }
            }
        }
        page.outputSettings().prettyPrint(false);
        return "<!DOCTYPE html>\n" + page.outerHtml();
    }
}
