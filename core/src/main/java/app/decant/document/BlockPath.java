package app.decant.document;

import java.util.Arrays;

/**
 * The way to a block or a container: section, block, and for what lies in tables row, cell, block and so on; for contents lists the entry.
 * Paths are ordered as the document is read.
 */
public final class BlockPath implements Comparable<BlockPath> {
    private final int[] steps;

    private BlockPath(int[] steps) { this.steps = steps; }

    public static BlockPath of(int... steps) { return new BlockPath(steps.clone()); }

    public int size() { return steps.length; }
    public int step(int index) { return steps[index]; }
    public int last() { return steps[steps.length - 1]; }

    /** This way gone further. */
    public BlockPath then(int... more) {
        int[] joined = Arrays.copyOf(steps, steps.length + more.length);
        System.arraycopy(more, 0, joined, steps.length, more.length);
        return new BlockPath(joined);
    }

    /** Its first steps. */
    public BlockPath head(int size) { return new BlockPath(Arrays.copyOf(steps, size)); }

    /** The container of the block that this path leads to. */
    public BlockPath parent() {
        if (steps.length < 2) throw new IllegalArgumentException("A section lies in no container");
        return new BlockPath(Arrays.copyOf(steps, steps.length - 1));
    }

    /** The same container, another child. */
    public BlockPath sibling(int index) {
        int[] copy = steps.clone();
        copy[copy.length - 1] = index;
        return new BlockPath(copy);
    }

    /** The same way with another step at one depth. */
    public BlockPath with(int depth, int step) {
        int[] copy = steps.clone();
        copy[depth] = step;
        return new BlockPath(copy);
    }

    /** Whether this way leads through what the other leads to. */
    public boolean startsWith(BlockPath other) {
        return steps.length >= other.steps.length && Arrays.equals(steps, 0, other.steps.length, other.steps, 0, other.steps.length);
    }

    /** Whether both lead to children of one container. */
    public boolean isSiblingOf(BlockPath other) {
        return steps.length == other.steps.length && Arrays.equals(steps, 0, steps.length - 1, other.steps, 0, steps.length - 1);
    }

    @Override public int compareTo(BlockPath other) { return Arrays.compare(steps, other.steps); }
    @Override public boolean equals(Object other) { return other instanceof BlockPath path && Arrays.equals(steps, path.steps); }
    @Override public int hashCode() { return Arrays.hashCode(steps); }
    @Override public String toString() { return Arrays.toString(steps); }
}
