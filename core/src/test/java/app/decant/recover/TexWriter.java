package app.decant.recover;

import app.decant.recover.Specimen.Piece;
import app.decant.recover.Specimen.Trait;
import java.util.List;
import java.util.Locale;

/** Publishes specimens through pdfTeX, where it is installed: kerned Type 1 subsets, words parted at line ends, no spaces between words. */
final class TexWriter {
    private final StringBuilder tex = new StringBuilder();
    private final Specimen.Manner manner;

    private TexWriter(Specimen specimen) { manner = specimen.manner(); }

    static boolean takes(Specimen specimen) { return !specimen.has(Specimen.RightToLeft.class); }

    static byte[] write(Specimen specimen) {
        List<String> run = List.of("pdflatex", "-interaction=nonstopmode", "in.tex");
        return Typesetter.run("in.tex", new TexWriter(specimen).source(specimen), "in.pdf", List.of(run, run));
    }

    private static String number(double value) { return String.format(Locale.ROOT, "%.2f", value); }

    private static String text(String plain) {
        StringBuilder text = new StringBuilder();
        for (char c : plain.toCharArray()) {
            switch (c) {
                case '&', '%', '#', '_', '$' -> text.append('\\').append(c);
                case '•' -> text.append("\\textbullet{}");
                case '–' -> text.append("--");
                default -> text.append(c);
            }
        }
        return text.toString();
    }

    private String source(Specimen specimen) {
        tex.append("\\documentclass{article}\\usepackage[T1]{fontenc}\\usepackage[utf8]{inputenc}\\usepackage{lmodern,graphicx,multicol,xcolor,")
                .append("colortbl,fancyhdr}\\usepackage[hidelinks]{hyperref}\\usepackage[paperwidth=").append(number(manner.width())).append("bp,paperheight=")
                .append(number(manner.height())).append("bp,margin=").append(number(manner.margin())).append("bp]{geometry}\\pagestyle{fancy}\\fancyhf{}")
                .append("\\renewcommand{\\headrulewidth}{0pt}\\definecolor{head}{HTML}{").append(manner.headColour()).append("}");
        if (specimen.head() != null) tex.append("\\lhead{\\fontsize{9}{11}\\selectfont ").append(specimen.head()).append('}');
        if (specimen.foot() != null) tex.append("\\cfoot{\\fontsize{9}{11}\\selectfont ").append(specimen.foot()).append(" \\thepage}");
        tex.append("\\parindent=").append(number(manner.indent())).append("pt\\parskip=").append(number(manner.gap())).append("pt\\raggedcolumns\n")
                .append("\\begin{document}\\fontsize{").append(manner.size()).append("}{").append(number(manner.leading())).append("}\\selectfont")
                .append(manner.is(Trait.SANS) ? "\\sffamily" : "").append(manner.is(Trait.JUSTIFIED) ? "" : "\\raggedright")
                .append("\\parindent=").append(number(manner.indent())).append("pt\n");
        for (Piece piece : specimen.pieces()) piece(piece);
        return tex.append("\\end{document}\n").toString();
    }

    private void piece(Piece piece) {
        if (piece instanceof Specimen.Head head) {
            double size = head.odd() ? manner.size() : manner.headSize(head.level());
            tex.append("\\vskip 9pt\\begingroup\\noindent").append(manner.is(Trait.CENTRED_HEADS) ? "\\centering" : "\\raggedright").append("\\fontsize{")
                    .append(number(size)).append("}{").append(number(size * 1.25)).append("}\\selectfont")
                    .append(head.odd() || manner.is(Trait.SERIF_HEADS) ? "\\rmfamily" : "\\sffamily").append("\\bfseries\\color{head}")
                    .append(text(head.text())).append("\\par\\endgroup\\nopagebreak\\vskip 3pt\n\n");
        } else if (piece instanceof Specimen.Para para) {
            tex.append(text(para.text())).append("\n\n");
        } else if (piece instanceof Specimen.Linked linked) {
            tex.append(text(linked.text())).append(" \\href{").append(linked.address()).append("}{").append(text(linked.shown())).append("}\n\n");
        } else if (piece instanceof Specimen.Noted noted) {
            tex.append(text(noted.text())).append("\\footnote{").append(text(noted.note())).append("}\n\n");
        } else if (piece instanceof Specimen.Item item) {
            hanging(item.label(), item.text(), 14 + 22 * item.level(), item.label().length() > 2 ? 28 : 16);
        } else if (piece instanceof Specimen.Dated dated) {
            hanging(dated.date(), dated.text(), 0, 60);
        } else if (piece instanceof Specimen.Grid grid) {
            table(grid);
        } else if (piece instanceof Specimen.Pic pic) {
            tex.append("\\noindent\\includegraphics[width=").append(pic.width()).append("bp,height=").append(pic.height()).append("bp]{")
                    .append((int) pic.width()).append('x').append((int) pic.height()).append(".png}\n\n");
        } else if (piece instanceof Specimen.Toc toc) {
            for (int i = 0; i < toc.titles().size(); i++) {
                tex.append("\\noindent\\hbox to \\hsize{\\hskip ").append((toc.levels().get(i) - 1) * 14).append("pt ").append(text(toc.titles().get(i)))
                        .append(" \\dotfill\\ ").append(toc.pages().get(i)).append("}\n\n");
            }
        } else if (piece instanceof Specimen.Columns columns) {
            tex.append("\\noindent");
            for (List<Piece> column : columns.columns()) {
                tex.append("\\begin{minipage}[t]{.47\\hsize}\\parskip=6pt\\vskip 0pt\n");
                column.forEach(this::piece);
                tex.append("\\end{minipage}\\hfil");
            }
            tex.append("\n\n");
        } else if (piece instanceof Specimen.Flow flow) {
            tex.append("\\begin{multicols}{").append(flow.columns()).append("}\n");
            flow.pieces().forEach(this::piece);
            tex.append("\\end{multicols}\n");
        } else if (piece instanceof Specimen.Panel panel) {
            tex.append("\\noindent\\fboxsep=6pt\\colorbox[HTML]{E4EDF5}{\\begin{minipage}{.96\\hsize}\\raggedright ");
            panel.pieces().forEach(this::piece);
            tex.append("\\end{minipage}}\\vskip 6pt\n\n");
        } else if (piece instanceof Specimen.Aside aside) {
            tex.append("\\begingroup\\rightskip=105pt\\noindent\\rlap{\\hskip\\hsize\\hskip -85pt\\vtop to 0pt{\\hsize=85pt\\rightskip=0pt plus 1fil")
                    .append("\\noindent\\itshape\\fontsize{8}{10}\\selectfont ").append(text(aside.note())).append("\\vss}}").append(text(aside.text()))
                    .append("\\par\\endgroup\n\n");
        } else if (piece instanceof Specimen.Address address) {
            tex.append("\\noindent\\vbox{\\raggedright\\noindent ").append(String.join("\\newline ", address.lines().stream().map(TexWriter::text).toList()))
                    .append("}\\vskip 18pt\n\n");
        } else if (piece instanceof Specimen.Lines lines) {
            tex.append("\\noindent ").append(String.join("\\newline ", lines.lines().stream().map(TexWriter::text).toList())).append("\n\n");
        } else if (piece instanceof Specimen.Defined defined) {
            tex.append("\\noindent{\\bfseries ").append(text(defined.term())).append("} ").append(text(defined.text())).append("\n\n");
        } else if (piece instanceof Specimen.Quote quote) {
            tex.append("\\begingroup\\leftskip=30pt\\advance\\rightskip by 30pt\\noindent\\itshape ").append(text(quote.text())).append("\\par\\endgroup\n\n");
        } else if (piece instanceof Specimen.Caption caption) {
            tex.append("\\begingroup\\centering\\fontsize{").append(manner.size() - 1.5).append("}{").append(manner.size()).append("}\\selectfont ")
                    .append(text(caption.text())).append("\\par\\endgroup\n\n");
        } else if (piece instanceof Specimen.NewPage) {
            tex.append("\\newpage\n");
        } else {
            throw new IllegalArgumentException(piece.toString());
        }
    }

    private void hanging(String label, String text, int left, int room) {
        tex.append("\\begingroup\\leftskip=").append(left + room).append("pt\\parskip=3pt\\noindent\\llap{\\hbox to ").append(room).append("pt{")
                .append(text(label)).append("\\hfil}}").append(text(text)).append("\\par\\endgroup\n\n");
    }

    private void table(Specimen.Grid grid) {
        String rule = grid.ruled() ? "|" : "";
        tex.append("\\noindent\\begingroup\\tabcolsep=3pt\\renewcommand{\\arraystretch}{1.2}");
        int rows = grid.rows().size();
        // Tables that are longer than a page are parted by hand, as people do.
        for (int from = 1; from < rows; from += 32) {
            tex.append("\\noindent\\begin{tabular}{").append(rule);
            for (double width : grid.widths()) tex.append(">{\\raggedright\\arraybackslash}p{").append(number(width - 6)).append("bp}").append(rule);
            tex.append("}").append(grid.ruled() || grid.frame() == Specimen.Frame.BOOK ? "\\hline" : "").append('\n');
            if (grid.frame() == Specimen.Frame.SHADED) tex.append("\\rowcolor[HTML]{1F4E79}");
            row(grid.rows().get(0), grid.frame() == Specimen.Frame.SHADED ? "\\color{white}\\bfseries " : "\\bfseries ");
            if (grid.ruled() || grid.frame() == Specimen.Frame.BOOK) tex.append("\\hline\n");
            for (int r = from; r < Math.min(rows, from + 32); r++) {
                row(grid.rows().get(r), "");
                if (grid.ruled() || grid.frame() == Specimen.Frame.BOOK && r == rows - 1) tex.append("\\hline\n");
            }
            tex.append("\\end{tabular}\n\n");
            if (from + 32 < rows) tex.append("\\newpage\n");
        }
        tex.append("\\endgroup\\vskip 6pt\n\n");
    }

    private void row(List<String> cells, String look) {
        for (int c = 0; c < cells.size(); c++) tex.append(c == 0 ? "" : " & ").append(look).append(text(cells.get(c)));
        tex.append("\\\\\n");
    }
}
