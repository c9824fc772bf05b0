package app.decant.recover.text;

import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.PageMatter;
import java.util.ArrayList;
import java.util.List;

/** Finds footnotes: small paragraphs at the foot of a page that begin with a mark which is also raised in the text above. */
public final class NoteFinder {
    private NoteFinder() { }

    /**
     * Takes the notes out of a page's paragraphs and gives them to the paragraphs with their marks.
     *
     * @param paras    of one page in reading order; notes are removed from it
     * @param bodySize the size most text of the document has
     */
    public static void take(List<Para> paras, double bodySize, PageMatter page) {
        // Each column has a foot of its own; the last ones come first, since notes are taken out of the list.
        for (int end = paras.size(); end > 0; end--) {
            if (end == paras.size() || paras.get(end).first().baseline() < paras.get(end - 1).last().baseline() - 5) takeAtFoot(paras, end, bodySize, page);
            end = Math.min(end, paras.size());
        }
    }

    private static void takeAtFoot(List<Para> paras, int end, double bodySize, PageMatter page) {
        int from = end;
        while (from > 0 && paras.get(from - 1).size() < 0.94 * bodySize && !paras.get(from - 1).isContentsEntry()
                && (from == end || paras.get(from - 1).last().baseline() < paras.get(from).first().baseline())) from--;
        // Small text above the notes, such as a caption, is none of them.
        while (from < end && mark(paras.get(from).first()) == null) from++;
        if (from == end || from == 0) return;
        List<Para> body = paras.subList(0, from);
        List<Para.Footnote> notes = new ArrayList<>();
        for (Para para : paras.subList(from, end)) {
            String mark = mark(para.first());
            if (mark != null) {
                List<Para> own = new ArrayList<>();
                own.add(para);
                notes.add(new Para.Footnote(mark, own));
            } else if (!notes.isEmpty()) {
                notes.get(notes.size() - 1).paragraphs().add(para);
            } else {
                return;
            }
        }
        List<Para> homes = new ArrayList<>();
        int reached = 0;
        for (Para.Footnote note : notes) {
            Para home = null;
            for (int i = reached; i < body.size() && home == null; i++) {
                if (raised(body.get(i)).contains(note.mark())) {
                    home = body.get(i);
                    reached = i;
                }
            }
            if (home == null) return;
            homes.add(home);
        }
        for (int i = 0; i < notes.size(); i++) homes.get(i).notes().add(notes.get(i));
        double top = notes.get(0).paragraphs().get(0).first().top();
        page.ink().removeIf(ink -> ink instanceof Ink.Stroke stroke && stroke.isAcross() && stroke.y1() < top + 2 && stroke.y1() > top - 16);
        paras.subList(from, end).clear();
    }

    /** The mark a note begins with, or null. */
    static String mark(TextLine line) {
        StringBuilder mark = new StringBuilder();
        double size = line.size();
        boolean raised = false;
        for (Glyph glyph : line.glyphs()) {
            if (glyph.text().isBlank()) {
                if (mark.length() > 0) break;
                continue;
            }
            boolean up = isRaised(glyph, line);
            if (!up && mark.length() > 0 && raised) break;
            if (!glyph.text().matches("[0-9*†‡§¶a-z).]")) return null;
            raised |= up;
            mark.append(glyph.text());
            if (mark.length() > 4) return null;
        }
        String text = mark.toString();
        String plain = text.replaceAll("[).]", "");
        if (plain.isEmpty() || plain.length() > 3 || size <= 0) return null;
        return raised || plain.matches("\\d{1,3}|[*†‡§¶]+") ? plain : null;
    }

    public static boolean isRaised(Glyph glyph, TextLine line) {
        return glyph.size() < 0.9 * line.size() && glyph.baseline() < line.baseline() - 0.12 * line.size() || glyph.baseline() < line.baseline()
                - 0.25 * line.size();
    }

    /** The raised marks in a paragraph, in order. */
    static List<String> raised(Para para) {
        List<String> marks = new ArrayList<>();
        for (TextLine line : para.lines()) {
            StringBuilder mark = new StringBuilder();
            for (Glyph glyph : line.glyphs()) {
                if (!glyph.text().isBlank() && isRaised(glyph, line)) {
                    mark.append(glyph.text());
                } else if (mark.length() > 0) {
                    marks.add(mark.toString());
                    mark.setLength(0);
                }
            }
            if (mark.length() > 0) marks.add(mark.toString());
        }
        return marks;
    }
}
