package app.decant.desktop.sheet;

import app.decant.desktop.part.Words;
import app.decant.desktop.work.Session;
import app.decant.document.DecantException;
import app.decant.sheet.LockedCells;
import app.decant.sheet.Range;
import app.decant.sheet.Sheet;
import app.decant.sheet.SheetLock;
import app.decant.words.Message;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.PasswordField;
import javafx.scene.layout.VBox;

/** Sheets that their makers locked: what is locked is not written on before the lock is open. It stays on what is published. */
final class SheetKey {
    private final SheetTable table;
    private final Label words = new Label();
    private final PasswordField password = new PasswordField();
    private final Button open = new Button(Words.of("sheet.lock.open"));
    private final Label wrong = new Label();
    private final VBox box;
    /** The sheets whose locks are open, and of what is open since then. */
    private final Set<String> opened = new HashSet<>();
    private Session openedIn;
    private DecantException said;

    SheetKey(SheetTable table) {
        this.table = table;
        words.setId("sheet-lock");
        words.setWrapText(true);
        wrong.setWrapText(true);
        wrong.getStyleClass().add("wrong");
        password.setId("sheet-lock-password");
        password.setPromptText(Words.of("password"));
        password.setAccessibleText(Words.of("password"));
        password.setOnAction(event -> open());
        open.setId("sheet-lock-open");
        open.setOnAction(event -> open());
        box = new VBox(8, words, password, wrong, open);
        box.getStyleClass().add("sheet-warning");
        for (Node one : new Node[] {box, password, wrong, open}) one.managedProperty().bind(one.visibleProperty());
    }

    Node node() { return box; }

    private Sheet sheet() { return table.surface().get().sheet(); }

    private boolean isOpen() {
        return sheet().matter().lock() == null || openedIn == table.desk().session() && opened.contains(sheet().name());
    }

    /** Tells how the sheet that is shown is locked. */
    void tell() {
        SheetLock lock = sheet().matter().lock();
        boolean opens = isOpen();
        box.setVisible(lock != null);
        if (lock == null) return;
        words.setText(Words.of(opens ? "sheet.lock.is.open" : lock.hasPassword() ? "sheet.lock.password" : "sheet.lock"));
        password.setVisible(!opens && lock.hasPassword());
        open.setVisible(!opens);
        wrong.setVisible(false);
    }

    private void open() {
        SheetLock lock = sheet().matter().lock();
        try {
            if (lock.hasPassword() && !lock.opensWith(password.getText())) {
                wrong(Words.of("sheet.lock.wrong"));
                return;
            }
        } catch (IllegalArgumentException e) {
            wrong(Words.of("sheet.lock.unknown"));
            return;
        }
        password.clear();
        if (openedIn != table.desk().session()) opened.clear();
        openedIn = table.desk().session();
        opened.add(sheet().name());
        if (said != null && table.desk().trouble().get() == said) table.desk().trouble().set(null);
        tell();
        table.requestFocus();
    }

    private void wrong(String why) {
        wrong.setText(why);
        wrong.setVisible(true);
        password.selectAll();
        password.requestFocus();
    }

    /** Whether nobody may write into a cell now; it is said why. */
    boolean refuses(int row, int column) {
        boolean refused = !isOpen() && new LockedCells(table.workbook(), sheet()).isLocked(row, column);
        if (refused) say(Range.name(row, column));
        return refused;
    }

    /** Whether some of what is answered may not be; then nothing is, and it is said why. */
    boolean refuses(Map<String, String> answers) {
        String refused = isOpen() ? null : new LockedCells(table.workbook(), sheet()).refused(new TreeMap<>(answers));
        if (refused != null) say(refused);
        return refused != null;
    }

    private void say(String what) {
        said = new DecantException(DecantException.Kind.NOT_PERMITTED, Message.said(Words.of("sheet.lock.refused", sheet().name(), what)));
        table.desk().trouble().set(said);
    }
}
