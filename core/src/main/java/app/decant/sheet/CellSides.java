package app.decant.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * On which sides of a cell lines are drawn, as it is told by a letter for each: {@code tblr}.
 *
 * @param sides that have one
 */
public record CellSides(Set<Side> sides) {
    private static final Pattern TOLD = Pattern.compile("t?b?l?r?");
    /** In points; what a thin line is in workbooks (ISO/IEC 29500-1, 18.18.3) as they are drawn here. */
    private static final Border LINE = Border.single(0.75, new Colour(0));

    public enum Side {
        TOP, BOTTOM, LEFT, RIGHT;

        /** That of the cell beside it along which this one is. */
        public Side facing() {
            return switch (this) {
                case TOP -> BOTTOM;
                case BOTTOM -> TOP;
                case LEFT -> RIGHT;
                case RIGHT -> LEFT;
            };
        }
    }

    public CellSides {
        sides = Set.copyOf(sides);
    }

    /** As it is told; nothing where it can't be read. */
    public static Optional<CellSides> of(String told) {
        if (!TOLD.matcher(told).matches()) return Optional.empty();
        EnumSet<Side> sides = EnumSet.noneOf(Side.class);
        for (Side side : Side.values()) if (told.indexOf(letter(side)) >= 0) sides.add(side);
        return Optional.of(new CellSides(sides));
    }

    /** Those of a cell that is there; null for one without lines. */
    public static CellSides of(Borders borders) {
        EnumSet<Side> sides = EnumSet.noneOf(Side.class);
        if (borders != null) for (Side side : Side.values()) if (line(borders, side) != null && line(borders, side).isVisible()) sides.add(side);
        return new CellSides(sides);
    }

    public CellSides with(Collection<Side> more) {
        EnumSet<Side> all = EnumSet.noneOf(Side.class);
        all.addAll(sides);
        all.addAll(more);
        return new CellSides(all);
    }

    public CellSides without(Side side) {
        EnumSet<Side> all = EnumSet.noneOf(Side.class);
        all.addAll(sides);
        all.remove(side);
        return new CellSides(all);
    }

    /** The lines then: those that were there stay as they look; null for none. */
    public Borders over(Borders before) {
        if (sides.isEmpty()) return null;
        return new Borders(drawn(before, Side.TOP), drawn(before, Side.RIGHT), drawn(before, Side.BOTTOM), drawn(before, Side.LEFT), null, null);
    }

    private Border drawn(Borders before, Side side) {
        if (!sides.contains(side)) return null;
        Border line = before == null ? null : line(before, side);
        return line != null && line.isVisible() ? line : LINE;
    }

    private static Border line(Borders borders, Side side) {
        return switch (side) {
            case TOP -> borders.top();
            case BOTTOM -> borders.bottom();
            case LEFT -> borders.left();
            case RIGHT -> borders.right();
        };
    }

    private static char letter(Side side) { return side.name().toLowerCase(Locale.ROOT).charAt(0); }

    /** Each side by its letter. */
    @Override public String toString() {
        StringBuilder told = new StringBuilder();
        for (Side side : Side.values()) if (sides.contains(side)) told.append(letter(side));
        return told.toString();
    }
}
