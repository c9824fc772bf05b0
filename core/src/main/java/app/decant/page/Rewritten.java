package app.decant.page;

import app.decant.document.Finding;
import app.decant.font.Face;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;

/**
 * A page of a file that says something else in some places, and is itself everywhere else.
 *
 * @param content the page's content stream, not packed
 * @param parts   forms and fonts that it has besides
 * @param areas   outside of which nothing on it looks otherwise
 * @param reset   where its letters stand now, for each thing that was said otherwise
 * @param pushed  what went down for it
 * @param given   what stands at the head of another page now
 * @param relinked links that are somewhere else with their words
 * @param tagged  what came from another page, by the marked contents it was of there
 * @param arrived where the letters stand of a passage that took words from the page before: those words and the passage's own; null where none came
 * @param findings what is to be told of it
 */
public record Rewritten(byte[] content, Parts parts, List<Area> areas, List<Reset> reset, List<Push> pushed, List<Given> given,
        List<Relinked> relinked, List<Tagged> tagged, Reset arrived, List<Finding> findings) {
    public Rewritten {
        areas = List.copyOf(areas);
        reset = List.copyOf(reset);
        pushed = List.copyOf(pushed);
        given = List.copyOf(given);
        relinked = List.copyOf(relinked);
        tagged = List.copyOf(tagged);
        findings = List.copyOf(findings);
    }

    /** What a content stream calls by names that it did not have. */
    public record Parts(List<Form> forms, List<Font> fonts, List<Loan> loans) {
        public Parts {
            forms = List.copyOf(forms);
            fonts = List.copyOf(fonts);
            loans = List.copyOf(loans);
        }

        public boolean any() { return !forms.isEmpty() || !fonts.isEmpty() || !loans.isEmpty(); }
    }

    /**
     * A font or a picture that other pages of the file have.
     *
     * @param name       by which it is called
     * @param number     of its object in the file (ISO 32000-2, 7.3.10)
     * @param generation of that object
     */
    public record Loan(Kind kind, String name, long number, int generation) {
        /** What it is. */
        public enum Kind { FONT, PICTURE }
    }

    /**
     * Lines at the foot of the page that went to the head of another.
     *
     * @param from   where they stood, as the page was read
     * @param turn   how far it was turned clockwise for that
     * @param page   the index of the page that they are on now
     * @param across how much further to the right they stand there, in points
     * @param down   how much lower
     * @param fresh  whether they are lines of a passage that was set anew, which would have stood here
     */
    public record Given(Area from, int turn, int page, double across, double down, boolean fresh) { }

    /**
     * A link that is somewhere else with its words, or gone with them.
     *
     * @param annotation its place among the annotations of the page
     * @param turn       how far the page was turned clockwise to be read
     * @param areas      where its words are, line by line, on the page as it was read; none where they are gone
     */
    public record Relinked(int annotation, int turn, List<Area> areas) {
        public Relinked { areas = List.copyOf(areas); }

        public static Relinked gone(int annotation, int turn) { return new Relinked(annotation, turn, List.of()); }

        public boolean isGone() { return areas.isEmpty(); }
    }

    /**
     * A marked content whose words came from another page, or were put in: what they belong to, that goes on here (ISO 32000-2, 14.7.5.2), or stands beside
     * them.
     *
     * @param number of the marked content on this page
     * @param page   the index of the page that they came from, or of this
     * @param there  the number of the marked content there
     * @param beside where it is a paragraph of its own beside that; null where it is a part of it
     */
    public record Tagged(int number, int page, int there, Beside beside) { }

    /**
     * A paragraph that is put in beside another.
     *
     * @param place which of them it is behind that, from 1 on, and below 0 before it
     * @param item  whether it has a label, as items of lists have
     * @param cells how many cells of a table's row it is further on; 0 where it is in the same, or in none
     * @param rows  how many rows it is further down among those that are put in below that row; 0 where it is in the row itself
     * @param level of the heading that it is; 0 where it is none
     */
    public record Beside(int place, boolean item, int cells, int rows, int level) {
        /** What goes: the row of a table that it is in. */
        public static final Beside GONE = new Beside(0, false, 0, -1, 0);

        /** In a cell of a row. */
        public static Beside inCell(int cells, int rows) { return new Beside(0, false, cells, rows, 0); }
    }

    /**
     * A copy of a form (ISO 32000-2, 8.10) for one call of it; other pages go on using the form itself.
     *
     * @param name     by which the copy is called
     * @param original the name of the form it is a copy of, among the same resources
     * @param content  its content stream, not packed
     * @param parts    what it has besides
     */
    public record Form(String name, String original, byte[] content, Parts parts) { }

    /**
     * A font for letters that the original's own has not.
     *
     * @param name    by which it is called
     * @param letters in the order in which they get their codes
     */
    public record Font(String name, Face face, List<Letter> letters) {
        public Font { letters = List.copyOf(letters); }
    }

    /** A glyph of a face, and the text it stands for. */
    public record Letter(int glyph, String text) { }

    /**
     * A passage that says something else in one place.
     *
     * @param marks   where its marks stand that stay, by their numbers in the page's order of painting; those that are not told stand where they stood
     * @param letters where the letters of the new text stand; null for a space that is not shown
     */
    public record Reset(Map<Integer, Spot> marks, List<Spot> letters) {
        public Reset {
            marks = Map.copyOf(marks);
            letters = Collections.unmodifiableList(new ArrayList<>(letters));
        }
    }

    /**
     * Where a letter stands, in points from the top left corner of the page as it was read.
     *
     * @param page the index of the page, or {@link #HERE}; {@link #OVER} for lines that went over to another, on which they would have stood here
     */
    public record Spot(float left, float right, float baseline, int page) {
        static final int HERE = -1;
        static final int OVER = -2;

        public Spot(float left, float right, float baseline) { this(left, right, baseline, HERE); }

        /** The same so many points further down, where it is on this page. */
        public Spot lowered(double by) { return page != HERE ? this : new Spot(left, right, (float) (baseline + by), HERE); }

        /** The same on the page that the lines go over to, told as if they stood on this. */
        public Spot goingOver() { return on(OVER); }

        /** The same on another page. */
        public Spot on(int other) { return new Spot(left, right, baseline, other); }

        public boolean over() { return page == OVER; }

        /** Whether it is told where on another page it is. */
        public boolean isElsewhere() { return page >= 0; }
    }

    /**
     * What stands in a part of the page as it was read, and went down to make room.
     *
     * @param by   points; up where it is below 0
     * @param turn how far the page was turned clockwise to be read, beyond what it says itself
     */
    public record Push(Area from, double by, int turn) { }

    /** In how many places it says something else; none where lines only went on to it, or over to another. */
    public int places() { return reset.size(); }

    /** How far what stood at a place of the page as it was read went down. */
    public double pushed(double x, double baseline) {
        return pushed.stream().filter(push -> push.from.holds(x, baseline)).mapToDouble(Push::by).sum();
    }

    /** Where what stood at a place of the page as it was read went, if it is on another page now; else null. */
    public Given given(double x, double baseline) {
        return given.stream().filter(one -> !one.fresh && one.from.holds(x, baseline)).findFirst().orElse(null);
    }

    /** Where a letter went that was put in and is on another page. */
    public Given given(Spot spot) {
        return given.stream().filter(one -> one.fresh && one.from.holds(spot.left, spot.baseline)).findFirst().orElse(null);
    }

    /** A part of a page as it is seen, in points from its top left corner. */
    public record Area(double left, double top, double right, double bottom) {
        public boolean holds(double x, double y) { return x >= left && x <= right && y >= top && y <= bottom; }
    }
}
