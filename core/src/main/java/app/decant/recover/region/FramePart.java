package app.decant.recover.region;

import java.util.List;

/** A piece of a header or footer as one page shows it. */
public sealed interface FramePart permits FrameLine, FrameTable {
    /** Its lines of text, in reading order. */
    List<FrameLine> lines();

    /** What is the same on every page that has this piece. */
    String signature();

    /** How far it reaches up, in points from the top of its page. */
    double top();

    /** How far it reaches down. */
    double bottom();

    /** Its baseline: of a table, its lower edge. */
    double baseline();
}
