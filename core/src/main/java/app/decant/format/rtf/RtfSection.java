package app.decant.format.rtf;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.PageDress.LineNumbers;
import app.decant.document.PageDress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** How pages are, as the words of the file and of the section come in. */
final class RtfSection {
    /** Of the options of a page's borders: measured from the paper's edge. */
    private static final int FROM_PAPER = 32;

    static final Map<String, NumberFormat> COUNTS = Map.of("ar", NumberFormat.DECIMAL, "alc", NumberFormat.LOWER_LETTER, "auc", NumberFormat.UPPER_LETTER,
            "rlc", NumberFormat.LOWER_ROMAN, "ruc", NumberFormat.UPPER_ROMAN, "chi", NumberFormat.SIGNS);

    private int paperWidth = 12240;
    private int paperHeight = 15840;
    private int left = 1800;
    private int right = 1800;
    private int top = 1440;
    private int bottom = 1440;
    private int gutter;
    private boolean facing;
    private boolean parts;
    private Integer partedLines;
    private Double partingZone;
    private double tab = Document.TAB_WIDTH;
    private int[] page;
    private int header;
    private int footer;
    private Section.Start start;
    private boolean first;
    private int columns;
    private int gap;
    private boolean line;
    private int column;
    private final Map<Integer, Integer> widths = new TreeMap<>();
    private NumberFormat format;
    private boolean restarts;
    private int number;
    private RtfBorders frame;
    private boolean framing;
    private int framed;
    private int every;
    private int distance;
    private int firstLine;
    private LineNumbers.Again again;
    private PageDress.Standing standing;
    private NoteCount fileFeet = NoteCount.FOOTNOTES;
    /** Without a word they count in figures (Rich Text Format 1.9.1, document formatting properties). */
    private NoteCount fileEnds = new NoteCount(NumberFormat.DECIMAL, 1, false);
    private NoteCount feet;
    private NoteCount ends;

    RtfSection() { plain(); }

    boolean facing() { return facing; }
    boolean parts() { return parts; }
    /** Of how many lines in a row words are parted; null where nothing is said of it. */
    Integer partedLines() { return partedLines; }
    /** In points; null where nothing is said of it. */
    Double partingZone() { return partingZone; }
    double tab() { return tab; }

    private void plain() {
        page = new int[] {-1, -1, -1, -1, -1, -1, -1};
        header = 720;
        footer = 720;
        start = Section.Start.NEXT_PAGE;
        feet = null;
        ends = null;
        first = false;
        columns = 1;
        gap = 720;
        line = false;
        column = 0;
        widths.clear();
        format = NumberFormat.DECIMAL;
        restarts = false;
        number = 1;
        frame = new RtfBorders();
        framing = false;
        framed = 0;
        every = 0;
        distance = 360;
        firstLine = 1;
        again = LineNumbers.Again.PAGE;
        standing = PageDress.Standing.TOP;
    }

    /** A word about pages; false where it is about something else. */
    boolean word(String word, int value, boolean has) {
        if (word.matches("pgbrdr[tblr]") || framing && word.startsWith("brdr") && !word.matches("brdr[tblr]") || framing && word.equals("brsp")) {
            framing = true;
            return frame.word(word, value);
        }
        framing = false;
        switch (word) {
            case "paperw" -> paperWidth = value;
            case "paperh" -> paperHeight = value;
            case "margl" -> left = value;
            case "margr" -> right = value;
            case "margt" -> top = value;
            case "margb" -> bottom = value;
            case "gutter" -> gutter = value;
            case "facingp" -> facing = true;
            case "hyphauto" -> parts = value != 0;
            case "hyphconsec" -> partedLines = value;
            case "hyphhotz" -> partingZone = value / 20.0;
            case "deftab" -> tab = value > 0 ? value / 20.0 : tab;
            case "sectd" -> plain();
            case "pgwsxn" -> page[0] = value;
            case "pghsxn" -> page[1] = value;
            case "marglsxn" -> page[2] = value;
            case "margrsxn" -> page[3] = value;
            case "margtsxn" -> page[4] = value;
            case "margbsxn" -> page[5] = value;
            case "guttersxn" -> page[6] = value;
            case "headery" -> header = value;
            case "footery" -> footer = value;
            case "sbknone" -> start = Section.Start.CONTINUOUS;
            case "sbkcol" -> start = Section.Start.NEXT_COLUMN;
            case "sbkpage" -> start = Section.Start.NEXT_PAGE;
            case "sbkeven" -> start = Section.Start.EVEN_PAGE;
            case "sbkodd" -> start = Section.Start.ODD_PAGE;
            case "titlepg" -> first = true;
            case "cols" -> columns = Math.max(1, Math.min(44, value));
            case "colsx" -> gap = value;
            case "linebetcol" -> line = true;
            case "colno" -> column = value;
            case "colw" -> widths.put(2 * (column - 1), value);
            case "colsr" -> widths.put(2 * (column - 1) + 1, value);
            case "pgndec" -> format = NumberFormat.DECIMAL;
            case "pgnlcrm" -> format = NumberFormat.LOWER_ROMAN;
            case "pgnucrm" -> format = NumberFormat.UPPER_ROMAN;
            case "pgnlcltr" -> format = NumberFormat.LOWER_LETTER;
            case "pgnucltr" -> format = NumberFormat.UPPER_LETTER;
            case "pgnrestart" -> restarts = true;
            case "pgnstarts" -> number = value;
            case "pgbrdropt" -> framed = value;
            case "linemod" -> every = Math.max(0, Math.min(1000, value));
            case "linex" -> distance = value;
            case "linestarts" -> firstLine = value;
            case "lineppage" -> again = LineNumbers.Again.PAGE;
            case "linerestart" -> again = LineNumbers.Again.SECTION;
            case "linecont" -> again = LineNumbers.Again.NEVER;
            case "ftnstart" -> fileFeet = new NoteCount(fileFeet.format(), value, fileFeet.bySection());
            case "ftnrestart" -> fileFeet = new NoteCount(fileFeet.format(), fileFeet.start(), true);
            case "ftnrstcont" -> fileFeet = new NoteCount(fileFeet.format(), fileFeet.start(), false);
            case "aftnstart" -> fileEnds = new NoteCount(fileEnds.format(), value, fileEnds.bySection());
            case "aftnrestart" -> fileEnds = new NoteCount(fileEnds.format(), fileEnds.start(), true);
            case "aftnrstcont" -> fileEnds = new NoteCount(fileEnds.format(), fileEnds.start(), false);
            case "sftnstart" -> feet = new NoteCount(feet().format(), value, feet().bySection());
            case "sftnrestart" -> feet = new NoteCount(feet().format(), feet().start(), true);
            case "saftnstart" -> ends = new NoteCount(ends().format(), value, ends().bySection());
            case "saftnrestart" -> ends = new NoteCount(ends().format(), ends().start(), true);
            case "vertalt", "vertalj" -> standing = PageDress.Standing.TOP;
            case "vertalc" -> standing = PageDress.Standing.MIDDLE;
            case "vertal", "vertalb" -> standing = PageDress.Standing.BOTTOM;
            default -> {
                return counted(word);
            }
        }
        return true;
    }

    /** Ways of counting notes: of the file, of its ends, and the same of a section. */
    private boolean counted(String word) {
        for (String kind : List.of("saftnn", "sftnn", "aftnn", "ftnn")) {
            NumberFormat format = word.startsWith(kind) ? COUNTS.get(word.substring(kind.length())) : null;
            if (format == null) continue;
            switch (kind) {
                case "saftnn" -> ends = new NoteCount(format, ends().start(), ends().bySection());
                case "sftnn" -> feet = new NoteCount(format, feet().start(), feet().bySection());
                case "aftnn" -> fileEnds = new NoteCount(format, fileEnds.start(), fileEnds.bySection());
                default -> fileFeet = new NoteCount(format, fileFeet.start(), fileFeet.bySection());
            }
            return true;
        }
        return false;
    }

    private NoteCount feet() { return feet == null ? fileFeet : feet; }
    private NoteCount ends() { return ends == null ? fileEnds : ends; }

    private double told(int index, int otherwise) { return (page[index] < 0 ? otherwise : page[index]) / 20.0; }

    Section of(Map<FramePlace, List<Block>> frames, List<Block> blocks, RtfTables tables) {
        Section.PageGeometry geometry = new Section.PageGeometry(Math.max(36, told(0, paperWidth)), Math.max(36, told(1, paperHeight)),
                Math.abs(told(4, top)), told(3, right), Math.abs(told(5, bottom)), told(2, left), header / 20.0, footer / 20.0, told(6, gutter));
        List<Double> own = new ArrayList<>();
        for (int i = 0; i < columns * 2 - 1 && widths.size() >= columns * 2 - 1; i++) own.add(widths.getOrDefault(i, gap) / 20.0);
        Section.Columns all = columns > 1 ? new Section.Columns(columns, gap / 20.0, line, own) : Section.Columns.ONE;
        return new Section(start, geometry, all, new Section.PageNumbering(format, restarts ? (Integer) number : null), frames, first, blocks)
                .dressed(dress(tables));
    }

    private PageDress dress(RtfTables tables) {
        PageDress dress = PageDress.PLAIN.standing(standing).counting(feet(), ends());
        if (every > 0) dress = dress.numbered(new LineNumbers(every, firstLine, distance <= 0 ? 18 : Math.min(144, distance / 20.0), again));
        if (!frame.any()) return dress;
        PageDress.Framed where = (framed & 7) == 1 ? PageDress.Framed.FIRST : (framed & 7) == 2 ? PageDress.Framed.OTHERS : PageDress.Framed.ALL;
        return dress.framed(frame.borders(tables), (framed & FROM_PAPER) == 0, where);
    }
}
