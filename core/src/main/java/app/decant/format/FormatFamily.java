package app.decant.format;

import java.util.List;

/** Formats that are read and written together. Named in {@code META-INF/services}, in the order in which a file is held against them. */
@FunctionalInterface
public interface FormatFamily {
    List<? extends Format> formats();
}
