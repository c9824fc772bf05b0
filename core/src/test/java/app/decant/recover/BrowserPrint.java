package app.decant.recover;

import app.decant.recover.Specimen.Piece;
import app.decant.recover.Specimen.Trait;
import java.util.Base64;
import java.util.List;

/** Publishes specimens as web pages that a browser prints, where one is installed: tagged or not, text run by run, tables and lists of its own. */
final class BrowserPrint {
    private final StringBuilder html = new StringBuilder();
    private final Specimen.Manner manner;

    private BrowserPrint(Specimen specimen) { manner = specimen.manner(); }

    static boolean takes(Specimen specimen) { return !specimen.has(Specimen.Noted.class) && !specimen.has(Specimen.Toc.class); }

    static byte[] write(Specimen specimen, boolean tagged) {
        return Typesetter.run("in.html", new BrowserPrint(specimen).page(specimen), "in.pdf", List.of(List.of("chromium", "--headless", "--no-sandbox",
                "--disable-gpu", "--no-pdf-header-footer", tagged ? "--export-tagged-pdf" : "--disable-pdf-tagging", "--print-to-pdf=in.pdf", "in.html")));
    }

    private String page(Specimen specimen) {
        html.append("<!DOCTYPE html><html lang=en><meta charset=utf-8><title>").append(specimen.name()).append("</title><style>@page{size:")
                .append(manner.width()).append("pt ").append(manner.height()).append("pt;margin:64pt ").append(manner.margin()).append("pt;");
        if (specimen.head() != null) html.append("@top-left{content:'").append(specimen.head()).append("';font:9pt serif}");
        if (specimen.foot() != null) html.append("@bottom-center{content:'").append(specimen.foot()).append(" ' counter(page);font:9pt serif}");
        html.append("}body{margin:0;font:").append(manner.size()).append("pt/1.26 ").append(manner.is(Trait.SANS) ? "sans-serif" : "serif")
                .append(";text-align:").append(manner.is(Trait.JUSTIFIED) ? "justify" : "left").append("}p{margin:0 0 ").append(manner.gap())
                .append("pt;text-indent:").append(manner.indent()).append("pt}li{margin-bottom:3pt}h1,h2,h3{break-after:avoid;margin:14pt 0 6pt;color:#")
                .append(manner.headColour()).append(";font-family:").append(manner.is(Trait.SERIF_HEADS) ? "serif" : "sans-serif").append(";text-align:")
                .append(manner.is(Trait.CENTRED_HEADS) ? "center" : "left").append('}');
        for (int level = 1; level <= 3; level++) html.append('h').append(level).append("{font-size:").append(manner.headSize(level)).append("pt}");
        html.append("p.odd{font-weight:bold;margin-top:10pt}p.quote{font-style:italic;margin:0 30pt 7pt}p.caption{text-align:center;font-size:")
                .append(manner.size() - 1.5).append("pt}p.lines{text-align:left}div.panel{background:#E4EDF5;border:.7pt solid #1F4E79;padding:6pt;"
                + "margin-bottom:9pt}table{border-collapse:collapse;margin:0 0 8pt;text-align:left}td,th{padding:3pt;vertical-align:top;text-align:left}"
                + "table.RULED td,table.RULED th{border:.7pt solid black}table.BOOK thead tr{border-top:1pt solid black;border-bottom:1pt solid black}"
                + "table.BOOK tbody tr:last-child{border-bottom:1pt solid black}table.SHADED th{background:#1F4E79;color:white}"
                + "div.dated{display:flex;margin-bottom:6pt}div.dated span{flex:none;width:60pt}div.aside{position:relative;padding-right:105pt}"
                + "div.aside i{position:absolute;right:0;top:0;width:85pt;font-size:8pt;text-align:left}div.columns{display:flex;gap:20pt}div.columns>div{"
                + "flex:1}body{-webkit-print-color-adjust:exact}ul ul,ol ol,ol ul{margin-top:3pt}</style><body>");
        pieces(specimen.pieces());
        return html.append("</body></html>").toString();
    }

    private void pieces(List<Piece> pieces) {
        for (int i = 0; i < pieces.size(); i++) {
            if (pieces.get(i) instanceof Specimen.Item first) {
                int end = i;
                while (end < pieces.size() && pieces.get(end) instanceof Specimen.Item) end++;
                list(pieces.subList(i, end).stream().map(Specimen.Item.class::cast).toList(), first.level());
                i = end - 1;
            } else {
                piece(pieces.get(i));
            }
        }
    }

    /** True lists, each item with the sign that it has. */
    private void list(List<Specimen.Item> items, int level) {
        html.append("<ul style='margin:0 0 7pt;padding-left:").append(30).append("pt'>");
        for (int i = 0; i < items.size(); i++) {
            html.append("<li style=\"list-style-type:'").append(items.get(i).label()).append("  '\">").append(items.get(i).text());
            int end = i + 1;
            while (end < items.size() && items.get(end).level() > level) end++;
            if (end > i + 1) list(items.subList(i + 1, end), level + 1);
            i = end - 1;
            html.append("</li>");
        }
        html.append("</ul>");
    }

    private void piece(Piece piece) {
        if (piece instanceof Specimen.Head head) {
            String tag = head.odd() ? "p class=odd" : "h" + head.level();
            html.append('<').append(tag).append('>').append(head.text()).append("</").append(head.odd() ? "p" : tag).append('>');
        } else if (piece instanceof Specimen.Para para) {
            html.append("<p>").append(para.text()).append("</p>");
        } else if (piece instanceof Specimen.Linked linked) {
            html.append("<p>").append(linked.text()).append(" <a href='").append(linked.address()).append("'>").append(linked.shown()).append("</a></p>");
        } else if (piece instanceof Specimen.Grid grid) {
            table(grid);
        } else if (piece instanceof Specimen.Pic pic) {
            html.append("<p style='text-indent:0'><img alt='' style='width:").append(pic.width()).append("pt;height:").append(pic.height())
                    .append("pt' src='data:image/png;base64,")
                    .append(Base64.getEncoder().encodeToString(FormattingObjects.png((int) pic.width(), (int) pic.height()))).append("'></p>");
        } else if (piece instanceof Specimen.Columns columns) {
            html.append("<div class=columns>");
            for (List<Piece> column : columns.columns()) within("div", "", column);
            html.append("</div>");
        } else if (piece instanceof Specimen.Flow flow) {
            within("div", " style='columns:" + flow.columns() + ";column-gap:18pt'", flow.pieces());
        } else if (piece instanceof Specimen.Panel panel) {
            within("div", " class=panel", panel.pieces());
        } else if (piece instanceof Specimen.Dated dated) {
            html.append("<div class=dated><span>").append(dated.date()).append("</span><div>").append(dated.text()).append("</div></div>");
        } else if (piece instanceof Specimen.Aside aside) {
            html.append("<div class=aside><i>").append(aside.note()).append("</i><p>").append(aside.text()).append("</p></div>");
        } else if (piece instanceof Specimen.Address address) {
            html.append("<p class=lines style='text-indent:0;margin-bottom:18pt'>").append(String.join("<br>", address.lines())).append("</p>");
        } else if (piece instanceof Specimen.Lines lines) {
            html.append("<p class=lines>").append(String.join("<br>", lines.lines())).append("</p>");
        } else if (piece instanceof Specimen.Defined defined) {
            html.append("<p style='text-indent:0'><b>").append(defined.term()).append("</b> ").append(defined.text()).append("</p>");
        } else if (piece instanceof Specimen.Quote quote) {
            html.append("<p class=quote>").append(quote.text()).append("</p>");
        } else if (piece instanceof Specimen.Caption caption) {
            html.append("<p class=caption>").append(caption.text()).append("</p>");
        } else if (piece instanceof Specimen.RightToLeft right) {
            html.append("<p dir=rtl lang=he style=\"text-align:right;font-family:'DejaVu Sans'\">").append(right.text()).append("</p>");
        } else if (piece instanceof Specimen.NewPage) {
            html.append("<div style='break-before:page'></div>");
        } else {
            throw new IllegalArgumentException(piece.toString());
        }
    }

    private void within(String tag, String attributes, List<Piece> pieces) {
        html.append('<').append(tag).append(attributes).append('>');
        pieces(pieces);
        html.append("</").append(tag).append('>');
    }

    private void table(Specimen.Grid grid) {
        html.append("<table class=").append(grid.frame()).append("><thead><tr>");
        for (int c = 0; c < grid.widths().size(); c++)
            html.append("<th style='width:").append(grid.widths().get(c) - 6).append("pt'>").append(grid.rows().get(0).get(c)).append("</th>");
        html.append("</tr></thead><tbody>");
        for (List<String> row : grid.rows().subList(1, grid.rows().size())) {
            html.append("<tr style='break-inside:avoid'>");
            for (String cell : row) html.append("<td>").append(cell).append("</td>");
            html.append("</tr>");
        }
        html.append("</tbody></table>");
    }
}
