package app.decant.desktop.station;

import app.decant.desktop.command.CommandList;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Settings;
import app.decant.format.sheet.SeparatedValues;
import app.decant.publish.Recipe;
import java.nio.file.Path;
import javafx.stage.Stage;

/** The window that a station stands in, as far as stations have to know of it. */
public interface Window {
    Desk desk();
    PageTable table();
    /** How it would be published, as things stand. */
    Recipe recipe();
    Notices notices();
    CommandList commands();
    Settings settings();
    /** The window itself, for dialogs of files. */
    Stage stage();

    /** Where one is. */
    Station station();

    /** Goes to a station; those that need a document stay shut without one. */
    void go(Station wanted);

    /** Takes a file in, asking first where unsaved work would be lost. */
    void open(Path file);

    /** Takes the values between separators that are open in once more, read otherwise. */
    void readAs(SeparatedValues wished);

    /** Asks for a file, and takes it in. */
    void chooseFile();

    /** Shows the place where another document can be taken in. */
    void takeAnother();

    /** Shows what wants a look in the document that is coming as soon as it is in. */
    void checkWhenIn();

    /** Opens a file or folder with the program that this machine has for it; nothing happens where there is none. */
    void openOutside(Path file);

    /** Opens a web or mail address with the program that this machine has for it. */
    void openAddress(String address);

    /** Whether its colours are dark. */
    boolean isDark();
}
