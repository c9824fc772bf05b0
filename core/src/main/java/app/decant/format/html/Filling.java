package app.decant.format.html;

import app.decant.document.Block;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import java.util.ArrayList;
import java.util.List;

/** A paragraph that is being filled. */
final class Filling {
    final List<Block> blocks;
    List<Inline> inlines = new ArrayList<>();
    HtmlContext context;
    boolean listed;

    Filling(List<Block> blocks, HtmlContext context) {
        this.blocks = blocks;
        this.context = context;
    }

    void end() {
        boolean empty = inlines.stream().filter(inline -> inline.length() > 0).map(inline -> inline instanceof Inline.Text text ? text.text() : "x")
                .reduce("", String::concat).equals("\n");
        trim();
        boolean any = inlines.stream().anyMatch(inline -> inline.length() > 0);
        // A line that is broken and holds nothing is a paragraph left empty.
        if (any || empty) put(inlines);
        if (any) inlines = new ArrayList<>();
    }

    /** What was left empty is a paragraph. */
    void empty() { put(List.of()); }

    private void put(List<Inline> words) {
        Look look = context.paragraph();
        if (context.list() != null && !listed) look = look.with(ParagraphProperty.LIST, context.list());
        listed |= context.list() != null;
        blocks.add(new Paragraph(context.style(), look, Look.PLAIN, List.of()).withInlines(words));
    }

    /** Spaces at the end of a line are not seen. */
    private void trim() {
        for (int i = inlines.size() - 1; i >= 0; i--) {
            if (inlines.get(i).length() == 0) continue;
            if (!(inlines.get(i) instanceof Inline.Text text) || context.spaces()) return;
            String plain = text.text().replaceAll("[ \n]+$", "");
            if (!plain.isEmpty()) {
                inlines.set(i, new Inline.Text(plain, text.look()));
                return;
            }
            inlines.remove(i);
        }
    }

    void text(String text, Look look, boolean spaces) {
        String shown = text;
        if (!spaces) {
            shown = text.replaceAll("[ \t\r\n\f]+", " ");
            if (shown.startsWith(" ") && endsInSpace()) shown = shown.substring(1);
        }
        if (!shown.isEmpty()) inlines.add(new Inline.Text(shown, look));
    }

    boolean endsInSpace() {
        for (int i = inlines.size() - 1; i >= 0; i--) {
            if (inlines.get(i).length() == 0) continue;
            return inlines.get(i) instanceof Inline.Text last && (last.text().endsWith(" ") || last.text().endsWith("\n"));
        }
        return true;
    }
}
