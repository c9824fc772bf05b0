package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Place;
import app.decant.document.Story;
import java.util.List;

/** Where places have gone after a change. */
@FunctionalInterface
public interface PositionMap {
    PositionMap SAME = (place, side) -> new Mapped(place, false);

    /** The place after the change of one before it. */
    Mapped map(Place place, Side side);

    /**
     * Where a place has gone.
     *
     * @param deleted whether what stood at it was taken out, on the side it was asked for; the place is then where that was, and may be no place for a caret
     */
    record Mapped(Place place, boolean deleted) { }

    /** This change, then those that follow. */
    static PositionMap of(List<PositionMap> maps) {
        return (place, side) -> {
            Place at = place;
            boolean deleted = false;
            for (PositionMap map : maps) {
                Mapped mapped = map.map(at, side);
                at = mapped.place();
                deleted |= mapped.deleted();
            }
            return new Mapped(at, deleted);
        };
    }

    /** A change within one story: what hangs on a place of it moves along, and goes with it. */
    static PositionMap within(Story story, Way way) {
        return new PositionMap() {
            @Override public Mapped map(Place place, Side side) {
                if (place.story().equals(story)) return way.map(place, side);
                Place anchor = place.story().anchor();
                if (anchor == null) return new Mapped(place, false);
                // An object stands behind its place.
                Mapped moved = map(anchor, Side.AFTER);
                return new Mapped(new Place(place.story().at(moved.place()), place.path(), place.offset()), moved.deleted());
            }
        };
    }

    /** How the places of one story move. */
    @FunctionalInterface
    interface Way { Mapped map(Place place, Side side); }

    /** How blocks of a container move when some are replaced: {@code to - from} of them by {@code count}. */
    static Way blocks(BlockPath container, int from, int to, int count) {
        return (place, side) -> {
            BlockPath path = place.path();
            int depth = container.size();
            if (path.size() <= depth || !path.startsWith(container) || path.step(depth) < from) return new Mapped(place, false);
            if (path.step(depth) >= to) {
                BlockPath moved = path.with(depth, path.step(depth) - (to - from) + count);
                return new Mapped(new Place(place.story(), moved, place.offset()), false);
            }
            return new Mapped(new Place(place.story(), container.then(side == Side.BEFORE ? from : from + count), 0), true);
        };
    }
}
