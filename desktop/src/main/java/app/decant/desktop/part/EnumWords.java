package app.decant.desktop.part;

import java.util.Locale;
import javafx.util.StringConverter;

/** The choices of a list in words: each by its name in the bundle. Nothing is read back from them. */
public final class EnumWords<E extends Enum<E>> extends StringConverter<E> {
    private final String prefix;

    /** @param prefix before the names in the bundle, with its stop */
    public EnumWords(String prefix) { this.prefix = prefix; }

    @Override public String toString(E value) { return value == null ? "" : Words.of(prefix + value.name().toLowerCase(Locale.ROOT)); }

    @Override public E fromString(String text) { return null; }
}
