package app.decant.recover;

import app.decant.recover.Specimen.Piece;
import app.decant.recover.Specimen.Trait;
import java.util.List;
import java.util.Locale;

/** Publishes specimens through groff with its ms macros and tbl, where they are installed: standard fonts, words parted at line ends. */
final class TroffWriter {
    private final StringBuilder roff = new StringBuilder();
    private final Specimen.Manner manner;

    private TroffWriter(Specimen specimen) { manner = specimen.manner(); }

    static boolean takes(Specimen specimen) {
        return List.of(Specimen.RightToLeft.class, Specimen.Pic.class, Specimen.Aside.class, Specimen.Columns.class, Specimen.Panel.class,
                Specimen.Toc.class).stream().noneMatch(specimen::has) && !specimen.turned() && !specimen.has(Specimen.Linked.class);
    }

    static byte[] write(Specimen specimen) {
        return Typesetter.run("in.ms", new TroffWriter(specimen).source(specimen), "in.pdf", List.of(List.of("sh", "-c",
                String.format(Locale.ROOT, "groff -k -t -ms -Tpdf -P-p%.2fi,%.2fi in.ms > in.pdf", specimen.manner().height() / 72,
                        specimen.manner().width() / 72))));
    }

    private static String text(String plain) {
        String text = plain.replace("\\", "\\e").replace("•", "\\(bu").replace("–", "\\(en");
        return text.startsWith(".") || text.startsWith("'") ? "\\&" + text : text;
    }

    private String source(Specimen specimen) {
        roff.append(".pl ").append(manner.height()).append("p\n.nr PO ").append(manner.margin()).append("p\n.nr LL ")
                .append(manner.width() - 2 * manner.margin()).append("p\n.nr HM 70p\n.nr FM 70p\n.nr PS ").append(manner.size()).append("p\n.nr VS ")
                .append(String.format(Locale.ROOT, "%.1fp", manner.leading())).append("\n.nr PD ").append(String.format(Locale.ROOT, "%.1fp", manner.gap()))
                .append("\n.nr PI ").append(String.format(Locale.ROOT, "%.1fp", manner.indent())).append("\n.ds LH ")
                .append(specimen.head() == null ? "" : specimen.head()).append("\n.ds CH\n.ds CF ")
                .append(specimen.foot() == null ? "" : specimen.foot() + " \\\\n[PN]").append('\n');
        if (manner.is(Trait.SANS)) roff.append(".fam H\n");
        if (!manner.is(Trait.JUSTIFIED)) roff.append(".na\n");
        roff.append(".LP\n");
        for (Piece piece : specimen.pieces()) piece(piece);
        return roff.toString();
    }

    private void piece(Piece piece) {
        if (piece instanceof Specimen.Head head) {
            double size = head.odd() ? manner.size() : manner.headSize(head.level());
            String font = head.odd() || manner.is(Trait.SERIF_HEADS) ? "TB" : "HB";
            roff.append(".LP\n.ne 4v\n.sp 6p\n").append(manner.is(Trait.CENTRED_HEADS) ? ".ce 1\n" : "").append("\\f[").append(font).append("]\\s[")
                    .append(String.format(Locale.ROOT, "%.1f", size)).append(']').append(text(head.text())).append("\\s0\\fP\n.br\n.sp 3p\n");
        } else if (piece instanceof Specimen.Para para) {
            roff.append(manner.is(Trait.INDENTED) ? ".PP\n" : ".LP\n").append(text(para.text())).append('\n');
        } else if (piece instanceof Specimen.Noted noted) {
            roff.append(".LP\n").append(text(noted.text())).append("\\**\n.FS\n").append(text(noted.note())).append("\n.FE\n");
        } else if (piece instanceof Specimen.Item item) {
            roff.append(".RS\n".repeat(item.level())).append(".IP \"").append(text(item.label())).append("\" ").append(item.label().length() > 2 ? 30 : 16)
                    .append("p\n").append(text(item.text())).append('\n').append(".RE\n".repeat(item.level()));
        } else if (piece instanceof Specimen.Dated dated) {
            roff.append(".IP \"").append(dated.date()).append("\" 60p\n").append(text(dated.text())).append('\n');
        } else if (piece instanceof Specimen.Defined defined) {
            roff.append(".LP\n.B \"").append(text(defined.term())).append("\"\n").append(text(defined.text())).append('\n');
        } else if (piece instanceof Specimen.Address address) {
            lines(address.lines());
            roff.append(".sp 14p\n");
        } else if (piece instanceof Specimen.Lines lines) {
            lines(lines.lines());
        } else if (piece instanceof Specimen.Quote quote) {
            roff.append(".QP\n.I\n").append(text(quote.text())).append("\n.R\n");
        } else if (piece instanceof Specimen.Caption caption) {
            roff.append(".LP\n.ce 1\n").append(text(caption.text())).append('\n');
        } else if (piece instanceof Specimen.Flow flow) {
            roff.append(".MC ").append(String.format(Locale.ROOT, "%.1f", (manner.width() - 2 * manner.margin() - 18 * (flow.columns() - 1)) / flow.columns()))
                    .append("p 18p\n");
            flow.pieces().forEach(this::piece);
            roff.append(".1C\n");
        } else if (piece instanceof Specimen.Grid grid) {
            table(grid);
        } else if (piece instanceof Specimen.NewPage) {
            roff.append(".bp\n");
        } else {
            throw new IllegalArgumentException(piece.toString());
        }
    }

    private void lines(List<String> lines) {
        roff.append(".LP\n.nf\n");
        for (String line : lines) roff.append(text(line)).append('\n');
        roff.append(".fi\n");
    }

    private void table(Specimen.Grid grid) {
        roff.append(".TS H\n").append(grid.ruled() ? "allbox tab(;);\n" : "tab(;);\n");
        for (String look : List.of("lb", "l")) {
            for (int c = 0; c < grid.widths().size(); c++)
                roff.append(c == 0 ? "" : " ").append(look).append("w(").append(grid.widths().get(c) - 16).append("p)");
            roff.append(look.equals("l") ? ".\n" : "\n");
        }
        if (grid.frame() == Specimen.Frame.BOOK) roff.append("_\n");
        row(grid.rows().get(0));
        if (grid.frame() == Specimen.Frame.BOOK) roff.append("_\n");
        roff.append(".TH\n");
        for (List<String> row : grid.rows().subList(1, grid.rows().size())) row(row);
        if (grid.frame() == Specimen.Frame.BOOK) roff.append("_\n");
        roff.append(".TE\n");
    }

    private void row(List<String> cells) {
        for (int c = 0; c < cells.size(); c++) roff.append(c == 0 ? "" : ";").append("T{\n").append(text(cells.get(c))).append("\nT}");
        roff.append('\n');
    }
}
