package app.decant.desktop.sheet;

import app.decant.desktop.part.Words;
import app.decant.sheet.Cell;
import app.decant.sheet.CellValue;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetSurface;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** What is picked on a sheet and what can be done with it; how the sheet falls onto pages; what is looked for in all of them. */
public final class SheetSlip {
    private static final double WIDTH = 286;

    private final SheetTable table;
    private final Label place = new Label();
    private final Label shows = new Label();
    private final TextField formula = new TextField();
    private final Label pages = new Label();
    private final VBox warnings = new VBox(8);
    private final FlowPane acts = new FlowPane(8, 8);
    private final SheetFinding finding;
    private final SheetLooks looks;
    private final ContextMenu menu = new ContextMenu();
    private final VBox node;
    private SheetSurface warned;

    public SheetSlip(SheetTable table) {
        this.table = table;
        finding = new SheetFinding(table);
        looks = new SheetLooks(table);
        place.setId("sheet-place");
        place.getStyleClass().add("slip-title");
        shows.setId("sheet-shows");
        shows.getStyleClass().add("quiet");
        shows.setWrapText(true);
        formula.setId("sheet-typed");
        formula.getStyleClass().add("sheet-formula");
        formula.setAccessibleText(Words.of("sheet.typed"));
        // Back to the cells, which keep Tab for themselves.
        formula.addEventFilter(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() != KeyCode.ESCAPE && event.getCode() != KeyCode.F6) return;
            tell();
            table.requestFocus();
            event.consume();
        });
        formula.setOnAction(event -> {
            table.write(table.picked().get(), formula.getText());
            table.requestFocus();
        });
        pages.setId("sheet-pages");
        pages.setWrapText(true);
        VBox content = new VBox(12, section("sheet.picked"), place, table.key().node(), shows, formula, looks.node(), acts, line(),
                section("sheet.onto"), pages, warnings);
        content.getStyleClass().add("slip");
        content.setId("sheet-slip");
        ScrollPane scroll = new ScrollPane(content);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("slip-scroll");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        // Always in sight, however much there is to say of what is picked.
        VBox foot = new VBox(8, section("sheet.find"), finding.node());
        foot.getStyleClass().add("slip-foot");
        node = new VBox(scroll, foot);
        node.setPrefWidth(WIDTH);
        node.setMinWidth(WIDTH);
        node.setMaxWidth(WIDTH);
        node.getStyleClass().add("slip-box");
        menu.getStyleClass().add("pointer-menu");
        table.setOnContextMenuRequested(this::offer);
        table.whenLeft(this::enter);
        table.picked().addListener((observed, before, now) -> tell());
        table.surface().addListener((observed, before, now) -> tell());
    }

    public Node node() { return node; }

    /** What can be done with what is picked, at the pointer. */
    private void offer(ContextMenuEvent event) {
        menu.getItems().clear();
        for (Node one : acts.getChildren()) {
            if (!(one instanceof Button button)) continue;
            MenuItem item = new MenuItem(button.getText());
            item.setOnAction(chosen -> button.fire());
            menu.getItems().add(item);
        }
        if (!menu.getItems().isEmpty()) menu.show(table, event.getScreenX(), event.getScreenY());
        event.consume();
    }

    /** Whether something can be done with what is picked, by the name of its button. */
    public boolean offers(String id) { return button(id) != null; }

    /** Does it. */
    public void act(String id) {
        Button button = button(id);
        if (button != null) button.fire();
    }

    private Button button(String id) {
        for (Node one : acts.getChildren()) if (one instanceof Button button && id.equals(button.getId())) return button;
        for (Node box : warnings.getChildren())
            for (Node one : ((VBox) box).getChildren()) if (one instanceof Button button && id.equals(button.getId())) return button;
        return null;
    }

    /** Brings the keys to what is typed into the cell that is picked. */
    public void enter() {
        formula.requestFocus();
        formula.end();
    }

    /** Where words are looked for. */
    public void find(boolean replacing) { finding.begin(replacing); }

    private static Label section(String key) {
        Label label = new Label(Words.of(key));
        label.getStyleClass().add("section");
        return label;
    }

    private static Node line() {
        VBox line = new VBox();
        line.getStyleClass().add("hairline");
        return line;
    }

    private void tell() {
        SheetPick pick = table.picked().get();
        SheetSurface here = table.surface().get();
        if (pick == null || here == null || pick.row() >= here.rows() || pick.column() >= here.columns()) return;
        place.setText(Words.of("sheet.place", here.sheet().name(), pick.isOne() ? Range.name(pick.row(), pick.column()) : words(pick.range(), here)));
        shows.setText(pick.isOne() ? shown(pick, here) : sums(pick.range(), here));
        formula.setDisable(!pick.isOne());
        formula.setText(pick.isOne() ? here.typed(pick.row(), pick.column()) : "");
        pages.setText(SheetStrip.pages(here) + scale(here));
        acts(pick, here);
        looks.tell(pick, here);
        table.key().tell();
        if (here != warned) warn(here);
        warned = here;
    }

    /** Columns and rows are told as such. */
    private static String words(Range range, SheetSurface here) {
        if (range.rows() == here.rows() && range.columns() < here.columns())
            return Words.of("sheet.columns", range.columns(), Range.letters(range.left()), Range.letters(range.right()));
        if (range.columns() == here.columns() && range.rows() < here.rows()) return Words.of("sheet.rows", range.rows(), range.top() + 1, range.bottom() + 1);
        return range.toString();
    }

    private static String scale(SheetSurface here) {
        return here.edges().isEmpty() || here.edges().get(0).scale() > 0.995 ? "" : Words.of("sheet.scale", Math.round(here.edges().get(0).scale() * 100));
    }

    private String shown(SheetPick pick, SheetSurface here) {
        Cell cell = here.sheet().cell(pick.row(), pick.column());
        if (cell == null || cell.isEmpty()) return Words.of("sheet.nothing");
        return Words.of(cell.formula() != null ? "sheet.shows.formula" : "sheet.shows", here.shown(pick.row(), pick.column()));
    }

    private static String sums(Range range, SheetSurface here) {
        int filled = 0;
        int numbers = 0;
        double sum = 0;
        List<Row> rows = here.sheet().rows();
        for (int i = here.sheet().position(range.top()); i < rows.size() && rows.get(i).index() <= range.bottom(); i++) {
            Row row = rows.get(i);
            for (Cell cell : row.cells()) {
                if (cell.column() < range.left() || cell.column() > range.right() || cell.isEmpty()) continue;
                filled++;
                if (!(cell.value() instanceof CellValue.Number number)) continue;
                numbers++;
                sum += number.value();
            }
        }
        return numbers == 0 ? Words.of("sheet.filled", filled) : Words.of("sheet.sums", filled, number(sum), number(sum / numbers));
    }

    private static String number(double value) { return String.format(Locale.getDefault(Locale.Category.FORMAT), "%,.2f", value); }

    private void acts(SheetPick pick, SheetSurface here) {
        Range range = pick.range();
        PageSetup setup = here.sheet().setup();
        List<Node> all = new ArrayList<>();
        if (range.rows() < here.rows()) {
            String name = Integer.toString(range.top() + 1);
            if (range.top() > 0) all.add(breaks("sheet.break.row", "sheet.break.row.off", true, range.top(), setup.rowBreaks(), name));
            boolean hidden = isHidden(here, range.top() - 1, range.bottom() + 1, true);
            all.add(act(hidden ? "sheet.show.rows" : "sheet.hide.rows", hidden ? "sheet-show-rows" : "sheet-hide-rows", () -> hide(range, here, true, !hidden),
                    range.rows()));
        }
        if (range.columns() < here.columns()) {
            String name = Range.letters(range.left());
            if (range.left() > 0) all.add(breaks("sheet.break.column", "sheet.break.column.off", false, range.left(), setup.columnBreaks(), name));
            boolean hidden = isHidden(here, range.left() - 1, range.right() + 1, false);
            all.add(act(hidden ? "sheet.show.columns" : "sheet.hide.columns", hidden ? "sheet-show-columns" : "sheet-hide-columns",
                    () -> hide(range, here, false, !hidden), range.columns()));
        }
        if (!pick.isOne()) all.add(act("sheet.only", "sheet-only", () -> table.fill(Map.of(SheetAnswers.area(table.name()), range.within(new Range(0, 0,
                here.rows() - 1, here.columns() - 1)).toString()))));
        if (!setup.areas().isEmpty()) all.add(act("sheet.whole", "sheet-whole", () -> table.fill(Map.of(SheetAnswers.area(table.name()), ""))));
        acts.getChildren().setAll(all);
    }

    private Button act(String key, String id, Runnable run, Object... values) {
        Button button = new Button(Words.of(key, values));
        button.setId(id);
        button.setOnAction(event -> {
            run.run();
            table.requestFocus();
        });
        return button;
    }

    /** A page begins here, or no longer. */
    private Button breaks(String key, String off, boolean rows, int at, List<Integer> there, String name) {
        List<Integer> now = new ArrayList<>(there);
        boolean set = now.remove((Integer) at);
        if (!set) now.add(at);
        return act(set ? off : key, rows ? "sheet-break-row" : "sheet-break-column",
                () -> table.fill(Map.of(SheetAnswers.breaks(table.name(), rows), SheetAnswers.breaks(now))), name);
    }

    private static boolean isHidden(SheetSurface here, int from, int to, boolean rows) {
        for (int i = Math.max(0, from); i <= Math.min(rows ? here.rows() - 1 : here.columns() - 1, to); i++)
            if (rows ? here.top(i + 1) == here.top(i) : here.left(i + 1) == here.left(i)) return true;
        return false;
    }

    private void hide(Range range, SheetSurface here, boolean rows, boolean hides) {
        Map<String, String> answers = new HashMap<>();
        int from = Math.max(0, (rows ? range.top() : range.left()) - (hides ? 0 : 1));
        int to = Math.min(rows ? here.rows() - 1 : here.columns() - 1, (rows ? range.bottom() : range.right()) + (hides ? 0 : 1));
        for (int i = from; i <= to; i++) {
            boolean hidden = rows ? here.top(i + 1) == here.top(i) : here.left(i + 1) == here.left(i);
            if (hidden != hides) answers.put(rows ? SheetAnswers.row(table.name(), i) : SheetAnswers.column(table.name(), i), hides ? SheetAnswers.HIDDEN
                    : SheetAnswers.SHOWN);
        }
        table.fill(answers);
    }

    /** What would go amiss on pages, each with its remedy. */
    private void warn(SheetSurface here) {
        List<Node> all = new ArrayList<>();
        for (SheetSurface.Edges edges : here.edges()) {
            int across = edges.columns().length - 1;
            if (across < 2) continue;
            int last = edges.columns()[across] - edges.columns()[across - 1];
            Button remedy = act("sheet.one.wide", "sheet-one-wide", () -> table.fill(Map.of(SheetAnswers.fit(table.name()), "1 0")));
            remedy.getStyleClass().addAll("main-button", "small-main-button");
            all.add(warning(Words.of("sheet.beside", across, last), remedy));
            break;
        }
        Range used = here.used();
        List<Range> areas = here.sheet().setup().areas();
        if (used != null && !areas.isEmpty()) {
            long outside = here.sheet().rows().stream().flatMap(row -> row.cells().stream().filter(cell -> !cell.isEmpty()
                    && areas.stream().noneMatch(area -> area.holds(row.index(), cell.column())))).count();
            if (outside > 0) all.add(warning(Words.of("sheet.outside", outside), null));
        }
        warnings.getChildren().setAll(all);
    }

    private static Node warning(String words, Button remedy) {
        Label label = new Label(words);
        label.setWrapText(true);
        VBox box = new VBox(8, label);
        if (remedy != null) box.getChildren().add(remedy);
        box.getStyleClass().add("sheet-warning");
        return box;
    }
}
