package app.decant.desktop.command;

import app.decant.desktop.command.Command.Reach;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Scene;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/** Everything that can be done in a window, once: the palette, the keys, the slip and the buttons read it. */
public final class CommandList {
    private final List<Command> all = new ArrayList<>();

    public void add(Command command) { all.add(command); }

    public List<Command> all() { return all; }

    /** What applies now, as people look for it. */
    public List<Command> applying() { return all.stream().filter(Command::applies).toList(); }

    /**
     * The command that other code calls so.
     *
     * @throws java.util.NoSuchElementException where there is none
     */
    public Command named(String key) { return all.stream().filter(command -> command.key().equals(key)).findFirst().orElseThrow(); }

    /** The command of the table that keys stand for. */
    public Optional<Command> onTable(KeyEvent event) {
        return all.stream().filter(command -> command.reach() == Reach.TABLE && command.isFor(event)).findFirst();
    }

    /** Lets keys work in the whole window. */
    public void install(Scene scene) {
        for (Command command : all) {
            if (command.reach() == Reach.WINDOW) for (KeyCombination keys : command.keys()) scene.getAccelerators().put(keys, command::run);
        }
    }
}
