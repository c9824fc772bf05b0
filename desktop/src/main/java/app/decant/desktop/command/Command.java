package app.decant.desktop.command;

import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/**
 * One thing that can be done. What it is called, by which keys, and whether it applies now is said here alone; the palette, the keys and the buttons read it.
 *
 * @param key   by which the bundle and other code call it
 * @param words as people read it
 * @param reach where its keys work
 * @param keys  the first is the one that is told
 */
public record Command(String key, String words, Reach reach, List<KeyCombination> keys, BooleanSupplier when, Runnable task) {
    /** Where keys work: in the whole window, or on the table only, since fields have such keys of their own. */
    public enum Reach { WINDOW, TABLE }

    boolean applies() { return when.getAsBoolean(); }

    /** Does it where it applies. */
    public void run() { if (applies()) task.run(); }

    boolean isFor(KeyEvent event) { return keys.stream().anyMatch(keys -> keys.match(event)); }

    /** Its keys as people read them; empty where it has none. */
    public String keyWords() {
        if (keys.isEmpty()) return "";
        KeyCodeCombination first = (KeyCodeCombination) keys.get(0);
        StringBuilder told = new StringBuilder();
        if (first.getShortcut() == KeyCombination.ModifierValue.DOWN) told.append("Ctrl ");
        if (first.getAlt() == KeyCombination.ModifierValue.DOWN) told.append("Alt ");
        if (first.getShift() == KeyCombination.ModifierValue.DOWN) told.append("Shift ");
        return told + sign(first.getCode());
    }

    private static String sign(KeyCode code) {
        return switch (code) {
            case DOWN -> "\u2193";
            case UP -> "\u2191";
            case PLUS -> "+";
            case MINUS -> "-";
            default -> code.getName();
        };
    }

    @Override public String toString() { return List.of(key, keys.stream().map(Object::toString).collect(Collectors.joining(" "))).toString(); }
}
