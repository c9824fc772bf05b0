package app.decant.document;

import java.util.ArrayList;
import java.util.List;

/**
 * A change to a document, as a value: applied to the document it was made for it gives a new one and tells what is picked afterwards.
 *
 * @param what    what it does, for the undo list
 * @param changes put in one after another; each is made for the document the ones before it left
 * @param styles  the new styles, or null where they stay
 * @param numbering the new numbering, or null where it stays
 * @param sections the new sections, before the changes, or null where they stay
 * @param after   what is picked afterwards
 */
public record Edit(String what, List<Replacement> changes, StyleSheet styles, Numbering numbering, List<Section> sections, Span after) {
    /** Children {@code from} to {@code to} of a container replaced. */
    public record Replacement(BlockPath container, int from, int to, List<Block> blocks) { }

    public Edit { changes = List.copyOf(changes); }

    /** The document with this change made; the one given is not touched. */
    public Document apply(Document document) {
        Document result = document;
        if (styles != null) result = result.withStyles(styles);
        if (numbering != null) result = result.withNumbering(numbering);
        if (sections != null) result = result.withSections(sections);
        for (Replacement change : changes) result = result.replacing(change.container(), change.from(), change.to(), change.blocks());
        return result;
    }

    /** Text put in the place of what is picked; line breaks in it ({@code \r\n}, {@code \n}) make new paragraphs. A null look takes that of the text before. */
    public static Edit type(Document document, Span span, String text, Look look) {
        String[] lines = text.replace("\r\n", "\n").replace('\r', '\n').split("\n", -1);
        Place start = span.start();
        Paragraph first = document.paragraph(start.path());
        Look dressed = look != null ? look : typedLook(first, start.offset());
        List<Paragraph> pieces = new ArrayList<>();
        for (String line : lines) pieces.add(new Paragraph(first.style(), first.look(), first.mark(), line.isEmpty() ? List.of()
                : List.of(new Inline.Text(clean(line), dressed))));
        return insert(document, span, pieces, "typing");
    }

    /** Paragraphs put in the place of what is picked: the first joins what stands before, the last what stands after. */
    public static Edit insert(Document document, Span span, List<Paragraph> pieces, String what) {
        Edit removal = span.isEmpty() ? null : delete(document, span);
        Document base = removal == null ? document : removal.apply(document);
        Place at = removal == null ? span.start() : removal.after().start();
        Paragraph target = base.paragraph(at.path());
        List<Inline> before = target.slice(0, at.offset());
        List<Inline> after = target.slice(at.offset(), target.length());
        if (at.offset() == 0 && target.length() == 0) before = target.inlines();
        List<Block> result = new ArrayList<>();
        int last = pieces.size() - 1;
        int caret = 0;
        for (int i = 0; i <= last; i++) {
            Paragraph piece = pieces.get(i);
            List<Inline> inlines = new ArrayList<>();
            if (i == 0) inlines.addAll(before);
            inlines.addAll(piece.inlines());
            if (i == last) {
                caret = piece.length() + (last == 0 ? at.offset() : 0);
                inlines.addAll(after);
            }
            Paragraph frame = i == 0 || i == last && last > 0 && piece.style() == null ? target : piece;
            result.add(frame.withInlines(inlines));
        }
        BlockPath end = at.path().sibling(at.path().last() + last);
        List<Replacement> changes = new ArrayList<>(removal == null ? List.of() : removal.changes());
        changes.add(new Replacement(at.path().parent(), at.path().last(), at.path().last() + 1, result));
        return new Edit(what, changes, null, null, removal == null ? null : removal.sections(), Span.caret(new Place(end, caret)));
    }

    /** What is picked taken out; see {@link Deletion} for what reaches further than neighbouring paragraphs. */
    public static Edit delete(Document document, Span span) {
        Place start = span.start();
        Place end = span.end();
        if (start.path().isSiblingOf(end.path()) && !isAll(document, span)) {
            Paragraph first = document.paragraph(start.path());
            Paragraph last = document.paragraph(end.path());
            List<Inline> inlines = new ArrayList<>(first.slice(0, start.offset()));
            inlines.addAll(last.slice(end.offset(), last.length()));
            Paragraph frame = start.offset() == 0 && !start.path().equals(end.path()) && end.offset() < last.length() ? last : first;
            Replacement change = new Replacement(start.path().parent(), start.path().last(), end.path().last() + 1, List.of(frame.withInlines(inlines)));
            return new Edit("deleting", List.of(change), null, null, null, Span.caret(start));
        }
        return Deletion.of(document, span);
    }

    private static boolean isAll(Document document, Span span) {
        if (span.start().offset() > 0 || span.start().path().compareTo(span.end().path()) == 0) return false;
        List<Walk.Stop> stops = Walk.of(document).stops();
        Walk.Stop last = stops.get(stops.size() - 1);
        return stops.get(0).path().equals(span.start().path()) && last.path().equals(span.end().path()) && last.paragraph().length() == span.end().offset();
    }

    /** The paragraph cut in two; after the end of a heading the next paragraph takes the style's following style. */
    public static Edit split(Document document, Span span) {
        Edit removal = span.isEmpty() ? null : delete(document, span);
        Document base = removal == null ? document : removal.apply(document);
        Place at = removal == null ? span.start() : removal.after().start();
        Paragraph whole = base.paragraph(at.path());
        Paragraph head = whole.withInlines(whole.slice(0, at.offset()));
        Paragraph tail = whole.withInlines(whole.slice(at.offset(), whole.length())).withLook(whole.look().without(ParagraphProperty.PAGE_BREAK_BEFORE));
        Style style = base.styles().style(whole.style() == null ? base.styles().defaultParagraph() : whole.style());
        if (at.offset() == whole.length() && style != null && style.next() != null && !style.next().equals(style.id())) {
            tail = new Paragraph(style.next(), Look.PLAIN, Look.PLAIN, List.of());
        }
        List<Replacement> changes = new ArrayList<>(removal == null ? List.of() : removal.changes());
        changes.add(new Replacement(at.path().parent(), at.path().last(), at.path().last() + 1, List.of(head, tail)));
        return new Edit("new paragraph", changes, null, null, removal == null ? null : removal.sections(),
                Span.caret(new Place(at.path().sibling(at.path().last() + 1), 0)));
    }

    /** What is picked dressed: {@code change} laid over each run's own look. An empty span dresses nothing. */
    public static Edit dress(Document document, Span span, Look change, String what) { return dress(document, span, look -> change.over(look), what); }

    /** What is picked dressed by a function of each run's own look. */
    public static Edit dress(Document document, Span span, java.util.function.UnaryOperator<Look> change, String what) {
        List<Replacement> changes = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).between(span.start().path(), span.end().path())) {
            Paragraph paragraph = stop.paragraph();
            int from = stop.path().equals(span.start().path()) ? span.start().offset() : 0;
            int to = stop.path().equals(span.end().path()) ? span.end().offset() : paragraph.length();
            List<Inline> inlines = new ArrayList<>(paragraph.slice(0, from));
            for (Inline inline : paragraph.slice(from, to)) inlines.add(inline.with(change.apply(inline.look())));
            inlines.addAll(paragraph.slice(to, paragraph.length()));
            Paragraph dressed = from == 0 && to == paragraph.length() && paragraph.length() == 0 ? paragraph : paragraph.withInlines(inlines);
            if (to == paragraph.length()) dressed = dressed.withMark(change.apply(paragraph.mark()));
            changes.add(one(stop.path(), dressed));
        }
        return new Edit(what, changes, null, null, null, span);
    }

    /** Every paragraph that is touched by what is picked, changed. */
    public static Edit paragraphs(Document document, Span span, java.util.function.UnaryOperator<Paragraph> change, String what) {
        List<Replacement> changes = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document).between(span.start().path(), span.end().path())) changes.add(one(stop.path(), change.apply(stop.paragraph())));
        return new Edit(what, changes, null, null, null, span);
    }

    /** A style's own look changed, and with it every passage of that style. */
    public static Edit style(Document document, Style style, Span span) {
        return new Edit("changing the style " + style.name(), List.of(), document.styles().with(style), null, null, span);
    }

    private static Replacement one(BlockPath path, Paragraph paragraph) {
        return new Replacement(path.parent(), path.last(), path.last() + 1, List.of(paragraph));
    }

    /** Text typed after a link, at its very end, is no longer part of it. */
    private static Look typedLook(Paragraph paragraph, int offset) {
        Look look = paragraph.lookBefore(offset);
        if (!look.says(TextProperty.LINK)) return look;
        Look after = offset < paragraph.length() ? paragraph.lookBefore(offset + 1) : Look.PLAIN;
        return look.get(TextProperty.LINK).equals(after.get(TextProperty.LINK)) ? look : look.without(TextProperty.LINK).without(TextProperty.STYLE);
    }

    /** Without what no text may hold: control characters other than tabs and breaks, and stand-ins of objects. */
    private static String clean(String text) {
        StringBuilder result = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == Inline.TAB || c == Inline.PAGE_BREAK || c == '\u2028' || c >= ' ' && c != Inline.OBJECT && c != '\u007F')
                result.append(c == '\u2028' ? Inline.LINE_BREAK : c);
        }
        return result.toString();
    }
}
