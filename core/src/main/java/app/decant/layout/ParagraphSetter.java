package app.decant.layout;

import app.decant.document.AlignedTab;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty;
import app.decant.font.Face;
import app.decant.font.SymbolEncoding;
import app.decant.page.Line;
import app.decant.page.Piece;
import app.decant.page.TextStyle;
import app.decant.spelling.Hyphenation;
import app.decant.spelling.Language;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * Breaks one paragraph into lines: each takes as many words as fit (first fit, as office programs do, so that line ends agree with theirs),
 * then is aligned. Made for one paragraph and thrown away.
 */
final class ParagraphSetter {
    private static final TabStops NO_STOPS = new TabStops(List.of());
    /** Rounding of widths in other programs must not push a word to the next line. */
    private static final double TOLERANCE = 0.02;
    /** A line that is cut off is stretched by this share of its room at most. */
    private static final double MOST_STRETCHED = 0.25;

    private final StyleBook styles;
    private final Paragraph paragraph;
    private final Look look;
    private final Look table;
    private final ParagraphText text;
    private final double tabWidth;
    private final double indentStart;
    private final double indentEnd;
    private final double firstLine;
    private final LineSpacing spacing;
    private final Alignment alignment;
    private final List<TabStop> stops;
    private final List<Piece.Glyphs> label = new ArrayList<>();
    private double labelWidth;
    private TextStyle labelStyle;
    private double[] tabWidths;
    /** Whether what was measured last ends in a tab that aligns what follows. */
    private boolean tabAwaits;
    /** Whether the line that is being set ends within a word that patterns part, and how many before it do. */
    private boolean parted;
    private int row;
    /** Where the lines end, though the text may go on elsewhere. */
    private int to;

    ParagraphSetter(StyleBook styles, Paragraph paragraph, Look look, Look table, String labelText, double tabWidth, FieldValues fields,
            Map<Inline.Note, String> notes) {
        this.styles = styles;
        this.paragraph = paragraph;
        this.look = look;
        this.table = table;
        this.tabWidth = tabWidth > 1 ? tabWidth : 36;
        this.text = new ParagraphText(styles, paragraph, look, table, fields, notes);
        indentStart = look.get(ParagraphProperty.INDENT_START, 0.0);
        indentEnd = look.get(ParagraphProperty.INDENT_END, 0.0);
        firstLine = look.get(ParagraphProperty.FIRST_LINE, 0.0);
        spacing = look.get(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE);
        alignment = look.get(ParagraphProperty.ALIGNMENT, Alignment.START);
        stops = look.get(ParagraphProperty.TABS, NO_STOPS).stops().stream().filter(stop -> stop.kind() != TabStop.Kind.CLEAR
                && stop.kind() != TabStop.Kind.BAR).toList();
        if (labelText != null && !labelText.isEmpty()) setLabel(labelText);
    }

    boolean hasFloats() { return text.hasFloats(); }

    /** The lines from a caret position on. */
    SetParagraph set(int from, LineSpace space) { return set(from, text.length(), space); }

    /** The lines from a caret position up to another, behind which the text goes on elsewhere. */
    SetParagraph set(int from, int end, LineSpace space) {
        to = Math.min(end, text.length());
        List<Line> lines = new ArrayList<>();
        List<List<Inline.Note>> notes = new ArrayList<>();
        int[] breaks = LineBreaks.andBeforeTabs(text.flat());
        tabWidths = text.hasTabs() ? new double[text.length()] : null;
        int at = from;
        double y = 0;
        do {
            boolean first = at == 0;
            double height = guessHeight(at);
            LineSpace.Slot slot = space.at(y, height);
            parted = false;
            int next = lineEnd(at, breaks, slot);
            parted &= next <= to;
            row = parted ? row + 1 : 0;
            next = Math.min(next, to);
            Line line = line(at, next, slot, first, next >= text.length());
            lines.add(line);
            notes.add(text.notes(at, next));
            y += line.gap() + line.height();
            at = next;
        } while (at < to || lines.get(lines.size() - 1).after() == Line.Break.LINE && at == text.length() && addsLine(lines));
        return new SetParagraph(paragraph, look, lines, notes);
    }

    /** How narrow and how wide its lines can be; what floats beside them takes no room. */
    ContentWidths contentWidths() {
        to = text.length();
        tabWidths = text.hasTabs() ? new double[to] : null;
        double least = 0;
        double most = 0;
        int from = 0;
        int at = 0;
        for (int end : LineBreaks.andBeforeTabs(text.flat())) {
            least = Math.max(least, lineStart(at) + text.width(at, trimmed(at, end)));
            if (end == to || isBreak(end - 1)) {
                most = Math.max(most, reached(from, trimmed(from, end), lineStart(from), ContentWidths.WIDEST));
                from = end;
            }
            at = end;
        }
        return new ContentWidths(least + indentEnd, most + indentEnd);
    }

    private double lineStart(int at) { return logicalStart(at == 0) + (at == 0 ? labelWidth : 0); }

    /** A line break as the last character is followed by one empty line. */
    private boolean addsLine(List<Line> lines) {
        Line last = lines.get(lines.size() - 1);
        return last.end() > last.start();
    }

    private double lineLeft(boolean first) { return text.rightToLeft() ? indentEnd : indentStart + (first ? firstLine : 0); }
    private double logicalStart(boolean first) { return indentStart + (first ? firstLine : 0); }

    private int lineEnd(int start, int[] breaks, LineSpace.Slot slot) {
        double left = lineStart(start);
        double right = slot.width() - indentEnd + TOLERANCE;
        int index = Arrays.binarySearch(breaks, start);
        index = index >= 0 ? index + 1 : -index - 1;
        int fits = -1;
        for (; index < breaks.length; index++) {
            int candidate = breaks[index];
            int visible = trimmed(start, candidate);
            double end = reached(start, visible, left, right);
            if (visible > start && text.flat().charAt(visible - 1) == '\u00AD') end += hyphenWidth(visible - 1);
            if (end > right) break;
            // What stands on its end or middle at a stop goes with its tab.
            if (tabAwaits && candidate < text.length() && fits > start) continue;
            fits = candidate;
            if (isBreak(candidate - 1)) return candidate;
        }
        boolean parts = index < breaks.length && look.is(ParagraphProperty.HYPHENATION);
        int most = parts ? look.get(ParagraphProperty.PARTED_LINES, ParagraphProperty.USUAL_PARTED_LINES) : 0;
        int point = parts && (most == 0 || row < most) ? point(start, fits, breaks[index], left, right) : -1;
        if (point > start) {
            parted = true;
            return point;
        }
        int limit = index < breaks.length ? breaks[index] : text.length();
        // A blank of many low lines behind a tab begins there: no line would hold it whole.
        boolean stays = fits > start && text.flat().substring(start, fits).isBlank() && text.width(fits, limit) > right - logicalStart(false);
        if (fits > start && !stays) return fits;
        if (start >= text.length()) return start;
        int end = Math.max(start + 1, fits);
        while (end < limit && reached(start, end + 1, left, right) <= right && !isBreak(end)) end++;
        while (end < limit && Character.isLowSurrogate(text.flat().charAt(end))) end++;
        while (end < limit && Character.getType(text.flat().charAt(end)) == Character.NON_SPACING_MARK) end++;
        if (end < limit && isBreak(end)) end++;
        return end;
    }

    /**
     * Where the word is parted that does not fit on a line any more; -1 for nowhere.
     *
     * @param fits where the line would end otherwise
     * @param to   where the word ends
     */
    private int point(int start, int fits, int to, double left, double right) {
        String flat = text.flat();
        int begin = Math.max(start, fits);
        while (begin < to && !Character.isLetter(flat.charAt(begin))) begin++;
        int end = begin;
        while (end < to && Character.isLetter(flat.charAt(end))) end++;
        while (begin > 0 && Character.isLetter(flat.charAt(begin - 1))) begin--;
        // Whoever has put a soft hyphen into a word has said where it is parted.
        boolean said = begin > 0 && flat.charAt(begin - 1) == '\u00AD' || end < flat.length() && flat.charAt(end) == '\u00AD';
        boolean roomy = alignment == Alignment.JUSTIFY || fits <= start || right - reached(start, trimmed(start, fits), left, right)
                > look.get(ParagraphProperty.PARTING_ZONE, ParagraphProperty.USUAL_PARTING_ZONE);
        if (begin >= end || said || !roomy) return -1;
        Look letters = styles.cascade().text(paragraph, paragraph.lookBefore(begin + 1));
        Hyphenation hyphenation = Hyphenation.of(Language.of(styles.language(letters)));
        int[] points = hyphenation == null ? new int[0] : hyphenation.points(flat.substring(begin, end));
        for (int i = points.length - 1; i >= 0; i--) {
            int at = begin + points[i];
            if (at > Math.max(start, fits) && reached(start, at, left, right) + hyphenWidth(at - 1) <= right) return at;
        }
        return -1;
    }

    private double reached(int start, int end, double left, double right) {
        return text.hasTabs() ? measured(start, end, left, right) : left + text.width(start, end);
    }

    private boolean isBreak(int at) {
        if (at < 0 || at >= text.length()) return false;
        char c = text.flat().charAt(at);
        return c == Inline.LINE_BREAK || c == Inline.PAGE_BREAK || c == Inline.COLUMN_BREAK;
    }

    /** The end without the spaces and breaks that hang out. */
    private int trimmed(int start, int end) {
        int at = end;
        while (at > start && (text.flat().charAt(at - 1) == ' ' || isBreak(at - 1))) at--;
        return at;
    }

    /** Where the text from {@code start} to {@code end} ends when it starts at {@code left}, tabs taken to their stops. */
    private double measured(int start, int end, double left, double right) {
        double x = left;
        double afterTab = 0;
        double decimal = -1;
        int tab = -1;
        TabStop stop = null;
        AlignedTab lastAligned = null;
        double tabX = 0;
        boolean beyondEdge = false;
        for (int i = text.segmentAt(start); i < text.segments().size(); i++) {
            Segment segment = text.segments().get(i);
            if (segment.start() >= end) break;
            if (segment.kind() == Segment.Kind.TAB) {
                if (tab >= 0) x = settle(tab, stop, tabX, afterTab, decimal);
                tab = segment.start();
                tabX = x;
                AlignedTab aligned = text.aligned(tab);
                lastAligned = aligned;
                stop = aligned == null ? nextStop(x, right) : aligned.in(indentStart, right, right + indentEnd);
                afterTab = 0;
                decimal = -1;
                x = Math.max(x, stop.position());
                if (stop.kind() == TabStop.Kind.START) {
                    beyondEdge = tabX <= right && stops.contains(stop);
                    tabWidths[tab] = x - tabX;
                    tab = -1;
                }
                continue;
            }
            int from = Math.max(start, segment.start());
            int to = Math.min(end, segment.end());
            if (tab >= 0 && decimal < 0 && segment.kind() == Segment.Kind.WORD) {
                int point = segment.text().indexOf('.');
                if (point >= 0) decimal = afterTab + text.width(from, Math.max(from, Math.min(to, segment.start() + point)));
            }
            double width = text.width(from, to);
            afterTab += width;
            x += width;
        }
        double reached = tab >= 0 ? settle(tab, stop, tabX, afterTab, decimal) : x;
        tabAwaits = tab >= 0 && afterTab == 0;
        // A stop that was set beyond the edge still takes what ends there; what goes to the edge of the column passes the indent there.
        if (beyondEdge && afterTab == 0) return Math.min(reached, right);
        boolean beyond = lastAligned != null && !lastAligned.indents() && reached <= right + indentEnd + TOLERANCE;
        return beyond ? Math.min(reached, right) : reached;
    }

    private double settle(int tab, TabStop stop, double tabX, double width, double decimal) {
        double before = switch (stop.kind()) {
            case END -> width;
            case CENTRE -> width / 2;
            case DECIMAL -> decimal >= 0 ? decimal : width;
            default -> 0;
        };
        tabWidths[tab] = Math.max(0, stop.position() - tabX - before);
        return tabX + tabWidths[tab] + width;
    }

    private TabStop nextStop(double x, double right) {
        double reach = x + 0.01;
        boolean hanging = firstLine < 0 && reach < indentStart;
        for (TabStop stop : stops) {
            if (hanging && stop.position() > indentStart) break;
            if (stop.position() > reach)
                return stop.kind() == TabStop.Kind.START || stop.position() <= right ? stop : new TabStop(right - TOLERANCE, stop.kind(), stop.leader());
        }
        if (hanging) return new TabStop(indentStart, TabStop.Kind.START, TabStop.Leader.NONE);
        return new TabStop((Math.floor(reach / tabWidth) + 1) * tabWidth, TabStop.Kind.START, TabStop.Leader.NONE);
    }

    private void setLabel(String labelText) {
        Look labelLook = styles.cascade().label(paragraph, table);
        String family = labelLook.get(TextProperty.FAMILY);
        String shown = SymbolEncoding.label(family, labelText);
        if (SymbolEncoding.isPictorial(family)) labelLook = labelLook.with(TextProperty.FAMILY, "DejaVu Sans");
        TextStyle style = styles.style(labelLook.without(TextProperty.LINK));
        Face face = styles.fonts().fallback(style.face(), shown.codePointAt(0));
        labelStyle = face == style.face() ? style : style.with(face);
        SetLabel set = SetLabel.of(shown, labelStyle, text.rightToLeft());
        double width = set.width();
        Numbering.Level level = styles.cascade().numbering().level(look.get(ParagraphProperty.LIST));
        // A label that stands on its end or middle reaches out before the place of the first line.
        Alignment standing = level == null ? Alignment.START : level.standing();
        double before = standing == Alignment.END ? width : standing == Alignment.CENTRE ? width / 2 : 0;
        label.addAll(set.at(-before));
        width -= before;
        Numbering.Suffix suffix = level == null ? Numbering.Suffix.TAB : level.suffix();
        double start = logicalStart(true);
        labelWidth = switch (suffix) {
            case NOTHING -> width;
            case SPACE -> width + labelStyle.face().shape(" ", false, false, false).width() * style.size();
            case TAB -> nextStop(start + width, Double.MAX_VALUE).position() - start;
        };
    }

    private double guessHeight(int at) {
        int index = text.segmentAt(at);
        TextStyle style = index < text.segments().size() ? text.segments().get(index).style() : text.markStyle();
        return (style.ascent() + style.descent() + style.lineGap()) * (spacing.rule() == LineSpacing.Rule.MULTIPLE ? spacing.value() : 1);
    }

    private double hyphenWidth(int at) { return hyphen(at).width(); }

    private Segment hyphen(int at) {
        TextStyle style = text.segments().get(text.segmentAt(at)).style();
        return new Segment(at, at + 1, Segment.Kind.WORD, style, "-", 0, style.face().shape("-", false, false, false), null, null);
    }

    private Line line(int start, int end, LineSpace.Slot slot, boolean first, boolean last) {
        int visible = trimmed(start, end);
        double textLeft = logicalStart(first) + (first ? labelWidth : 0);
        double right = slot.width() - indentEnd;
        double endX = reached(start, visible, textLeft, right);
        List<Segment> parts = new ArrayList<>();
        for (int i = text.segmentAt(start); i < text.segments().size(); i++) {
            Segment segment = text.segments().get(i);
            if (segment.start() >= end) break;
            parts.add(ParagraphText.part(segment, start, end));
        }
        if (visible > start && visible < text.length() && text.flat().charAt(visible - 1) == '\u00AD') {
            parts.add(hyphen(visible - 1));
            endX += hyphenWidth(visible - 1);
        } else if (parted) {
            Segment hyphen = hyphen(end - 1);
            // It stands for none of the letters.
            int level = parts.get(parts.size() - 1).level();
            parts.add(new Segment(end, end, Segment.Kind.OBJECT, hyphen.style(), hyphen.text(), level, hyphen.shaped(), null, null));
            endX += hyphen.width();
        }
        Line.Break after = after(end);
        double room = right - endX;
        double stretch = 0;
        int lastTab = lastTab(start, visible);
        // One that is cut off goes to the edge as a full one does, unless it is far from it.
        boolean cut = end == to && room > MOST_STRETCHED * (right - textLeft);
        if (alignment == Alignment.JUSTIFY && !last && !cut && after == Line.Break.NONE && room > 0) {
            int spaces = 0;
            for (int i = Math.max(start, lastTab + 1); i < visible; i++) if (text.flat().charAt(i) == ' ') spaces++;
            if (spaces > 0) stretch = room / spaces;
        }
        double shift = switch (alignment) {
            case CENTRE -> room / 2;
            case END -> room;
            case START, JUSTIFY -> 0;
        };
        double width = endX - logicalStart(first) + (stretch > 0 ? room : 0);
        double x = text.rightToLeft() ? slot.x() + lineLeft(first) + room - shift - (stretch > 0 ? room : 0) : slot.x() + lineLeft(first) + shift;
        Metrics metrics = metrics(parts, first, last);
        List<Piece> pieces = pieces(parts, first, visible, stretch, lastTab, start);
        return new Line(start, end, x, slot.down(), width, metrics.height, metrics.baseline, metrics.ascent, metrics.descent, List.copyOf(pieces),
                after);
    }

    private Line.Break after(int end) {
        if (end == 0) return Line.Break.NONE;
        return switch (text.flat().charAt(end - 1)) {
            case Inline.LINE_BREAK -> Line.Break.LINE;
            case Inline.COLUMN_BREAK -> Line.Break.COLUMN;
            case Inline.PAGE_BREAK -> Line.Break.PAGE;
            default -> Line.Break.NONE;
        };
    }

    private int lastTab(int start, int end) { return text.hasTabs() ? Math.max(start - 1, text.flat().lastIndexOf(Inline.TAB, end - 1)) : start - 1; }

    private record Metrics(double height, double baseline, double ascent, double descent) { }

    private Metrics metrics(List<Segment> parts, boolean first, boolean last) {
        double ascent = 0;
        double descent = 0;
        double gap = 0;
        double above = 0;
        double below = 0;
        boolean any = false;
        for (Segment part : parts) {
            if (part.kind() == Segment.Kind.NOTHING && part.text().isEmpty()) continue;
            if (part.kind() == Segment.Kind.PICTURE) {
                above = Math.max(above, part.picture().height() + part.style().raise());
                below = Math.max(below, -part.style().raise());
                any = true;
                continue;
            }
            TextStyle style = part.style();
            ascent = Math.max(ascent, style.ascent());
            descent = Math.max(descent, style.descent());
            gap = Math.max(gap, style.lineGap());
            any = true;
        }
        if (!any || last) {
            TextStyle style = text.markStyle();
            ascent = Math.max(ascent, style.ascent());
            descent = Math.max(descent, style.descent());
            gap = Math.max(gap, style.lineGap());
        }
        if (first && labelStyle != null) {
            ascent = Math.max(ascent, labelStyle.size() > 0 && labelStyle.face().family().equals("DejaVu Sans") ? ascent : labelStyle.ascent());
        }
        double letters = ascent + descent + gap;
        ascent = Math.max(ascent, above);
        descent = Math.max(descent, below);
        double natural = ascent + descent + gap;
        return switch (spacing.rule()) {
            case MULTIPLE -> {
                // Pictures have no more room for it (common practice, seen in how many pages files tell).
                double height = natural + letters * (spacing.value() - 1);
                yield new Metrics(height, ascent + Math.min(0, height - natural), ascent, descent);
            }
            case AT_LEAST -> {
                double height = Math.max(natural, spacing.value());
                yield new Metrics(height, height - natural + ascent, ascent, descent);
            }
            // Four fifths above the baseline: common practice.
            case EXACTLY -> new Metrics(spacing.value(), spacing.value() * 0.8, ascent, descent);
        };
    }

    private List<Piece> pieces(List<Segment> parts, boolean first, int visible, double stretch, int lastTab, int start) {
        List<Segment> order = text.isBidi() ? VisualOrder.of(parts, Segment::level) : parts;
        double x = 0;
        List<Piece> pieces = new ArrayList<>();
        if (first && !label.isEmpty() && !text.rightToLeft()) {
            pieces.addAll(label);
            x = labelWidth;
        }
        if (text.rightToLeft() && text.isBidi()) {
            // Spaces that hang out stand left of the line's end here.
            for (Segment part : order) if (part.start() >= visible) x -= part.width();
        }
        PieceJoiner joiner = new PieceJoiner(pieces);
        for (Segment part : order) {
            switch (part.kind()) {
                case TAB -> {
                    joiner.flush();
                    double width = tabWidths[part.start()];
                    pieces.add(new Piece.Tab(part.style(), leader(part.start(), x, start, first), part.start(), x, width));
                    x += width;
                }
                case PICTURE -> {
                    joiner.flush();
                    pieces.add(new Piece.PictureBox(part.picture(), part.style(), part.start(), x));
                    x += part.width();
                }
                case WORD, SPACE, OBJECT -> {
                    double extra = part.kind() == Segment.Kind.SPACE && stretch > 0 && part.start() > lastTab && part.start() < visible
                            ? stretch * part.text().length() : 0;
                    joiner.add(part, x, extra);
                    x += part.width() + extra;
                }
                case BREAK, NOTHING -> { }
            }
        }
        joiner.flush();
        if (first && !label.isEmpty() && text.rightToLeft()) {
            Piece.Glyphs last = label.get(label.size() - 1);
            double right = x + labelWidth - (last.x() + last.width());
            for (Piece.Glyphs one : label) pieces.add(PieceJoiner.moved(one, one.x() + right));
        }
        return pieces;
    }

    /** The leader of the stop a tab went to. */
    private TabStop.Leader leader(int tab, double x, int start, boolean first) {
        if (text.aligned(tab) != null) return text.aligned(tab).leader();
        return nextStop(logicalStart(first) + x, Double.MAX_VALUE).leader();
    }
}
