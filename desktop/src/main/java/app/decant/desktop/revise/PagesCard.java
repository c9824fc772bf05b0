package app.decant.desktop.revise;

import app.decant.desktop.part.EnumWords;
import app.decant.desktop.part.LengthField;
import app.decant.desktop.part.LengthField.Unit;
import app.decant.desktop.part.More;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Section.Columns;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section;
import app.decant.edit.Sections;
import app.decant.edit.Watermark;
import app.decant.format.shape.DrawnLetters;
import java.util.List;
import java.util.Objects;
import java.util.function.UnaryOperator;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** The pages of the part at the caret: paper, which way round, margins, columns; for this part alone or for all. */
public final class PagesCard {
    private static final double COLUMN_GAP = 18;
    private static final double SAME = 1.5;
    /** Of a watermark: a family that ships. */
    private static final String FAMILY = "Liberation Sans";

    private final Desk desk;
    private final ComboBox<Paper> paper = new ComboBox<>();
    private final CheckBox across = new CheckBox(Words.of("pages.across"));
    private final CheckBox everywhere = new CheckBox(Words.of("pages.everywhere"));
    private final ComboBox<Integer> columns = new ComboBox<>();
    private final LengthField top;
    private final LengthField bottom;
    private final LengthField left;
    private final LengthField right;
    private final TextField watermark = new TextField();
    private final More more;
    /** Pages that are a PDF's own have no headers to write it into. */
    private final BooleanProperty writes = new SimpleBooleanProperty(true);
    private boolean telling;

    /** Sizes of paper, upright (ISO 216; ANSI/ASME Y14.1 and common practice for the American ones). */
    private enum Paper {
        A3(841.9, 1190.6), A4(595.3, 841.9), A5(419.5, 595.3), LETTER(612, 792), LEGAL(612, 1008), OTHER(0, 0);

        private final double width;
        private final double height;

        Paper(double width, double height) {
            this.width = width;
            this.height = height;
        }

        static Paper of(PageGeometry page) {
            double narrow = Math.min(page.width(), page.height());
            double wide = Math.max(page.width(), page.height());
            for (Paper one : values()) if (Math.abs(one.width - narrow) < SAME && Math.abs(one.height - wide) < SAME) return one;
            return OTHER;
        }
    }

    PagesCard(Window window) {
        desk = window.desk();
        paper.setId("pages-paper");
        paper.setAccessibleText(Words.of("pages.paper"));
        paper.getItems().setAll(Paper.A3, Paper.A4, Paper.A5, Paper.LETTER, Paper.LEGAL);
        paper.setConverter(new EnumWords<>("pages.paper."));
        paper.setOnAction(event -> {
            Paper wanted = paper.getValue();
            if (!telling && wanted != null && wanted != Paper.OTHER) page(page -> sized(page, wanted, page.isLandscape()));
        });
        across.setId("pages-across");
        across.setOnAction(event -> page(page -> turned(page, across.isSelected())));
        everywhere.setId("pages-everywhere");
        columns.setId("pages-columns");
        columns.setAccessibleText(Words.of("pages.columns"));
        columns.getItems().setAll(1, 2, 3);
        columns.setOnAction(event -> {
            if (!telling && columns.getValue() != null) columns(columns.getValue());
        });
        top = margin("top", (page, to) -> new PageGeometry(page.width(), page.height(), to, page.right(), page.bottom(), page.left(), page.header(),
                page.footer(), page.gutter()));
        bottom = margin("bottom", (page, to) -> new PageGeometry(page.width(), page.height(), page.top(), page.right(), to, page.left(), page.header(),
                page.footer(), page.gutter()));
        left = margin("left", (page, to) -> new PageGeometry(page.width(), page.height(), page.top(), page.right(), page.bottom(), to, page.header(),
                page.footer(), page.gutter()));
        right = margin("right", (page, to) -> new PageGeometry(page.width(), page.height(), page.top(), to, page.bottom(), page.left(), page.header(),
                page.footer(), page.gutter()));
        GridPane grid = new GridPane();
        grid.setHgap(8);
        grid.setVgap(6);
        grid.addRow(0, More.label("pages.paper"), paper);
        grid.addRow(1, More.label("pages.columns"), columns);
        grid.addRow(2, More.label("pages.top"), millimetres(top));
        grid.addRow(3, More.label("pages.bottom"), millimetres(bottom));
        grid.addRow(4, More.label("pages.left"), millimetres(left));
        grid.addRow(5, More.label("pages.right"), millimetres(right));
        Button part = new Button(Words.of("pages.part"));
        part.setId("pages-part");
        part.setAccessibleText(Words.of("command.section.begin"));
        part.getStyleClass().addAll("look-button", "small-button");
        part.setMaxWidth(Double.MAX_VALUE);
        part.setOnAction(event -> window.commands().named("section.begin").run());
        watermark.setId("pages-watermark");
        watermark.setAccessibleText(Words.of("pages.watermark"));
        watermark.setPromptText(Words.of("pages.watermark.prompt"));
        watermark.setOnAction(event -> mark());
        watermark.focusedProperty().addListener((observed, was, now) -> {
            if (was) mark();
        });
        VBox under = new VBox(4, More.label("pages.watermark"), watermark);
        under.visibleProperty().bind(writes);
        under.managedProperty().bind(writes);
        more = new More("pages.more", grid, across, everywhere, part, under);
        more.whenOpened(this::tell);
    }

    Node node() { return more; }

    /** Asks for words that are to stand on every page. */
    public void askWatermark() {
        more.open();
        tell();
        watermark.requestFocus();
        watermark.selectAll();
    }

    /** The words of the field on every page; none where it says nothing. */
    private void mark() {
        if (telling || desk.document() == null || desk.selection().get() == null || !writes.get()) return;
        String words = watermark.getText().strip();
        if (words.equals(Objects.requireNonNullElse(Watermark.of(desk.document()), ""))) return;
        desk.inOrder(() -> desk.apply(Watermark.put(desk.document(), desk.selection().get(), words.isEmpty() ? null
                : page -> DrawnLetters.across(words, FAMILY, page))));
    }

    /** One length of a page changed. */
    private interface Moved { PageGeometry of(PageGeometry page, double to); }

    private LengthField margin(String side, Moved moved) {
        return new LengthField("pages-" + side, Words.of("pages." + side), Unit.MILLIMETRES, 0, points -> page(page -> moved.of(page, points)));
    }

    private static HBox millimetres(LengthField field) {
        HBox box = new HBox(6, field, new Label("mm"));
        box.setAlignment(Pos.CENTER_LEFT);
        return box;
    }

    private void page(UnaryOperator<PageGeometry> change) {
        change(section -> {
            PageGeometry page = change.apply(section.page());
            // Margins that leave no room for text stay as they were.
            boolean room = page.textWidth() > 20 && page.height() - page.top() - page.bottom() > 20;
            return !room ? section : section.on(page);
        });
    }

    private void columns(int count) {
        Columns wanted = count == 1 ? Columns.ONE : new Columns(count, COLUMN_GAP, false, List.of());
        change(section -> section.in(wanted));
    }

    private void change(UnaryOperator<Section> change) {
        if (desk.document() == null || desk.selection().get() == null) return;
        desk.inOrder(() -> desk.apply(Sections.pages(desk.document(), desk.selection().get(), everywhere.isSelected(), change)));
    }

    private static PageGeometry sized(PageGeometry page, Paper paper, boolean landscape) {
        double width = landscape ? paper.height : paper.width;
        return new PageGeometry(width, landscape ? paper.width : paper.height, page.top(), page.right(), page.bottom(), page.left(), page.header(),
                page.footer(), page.gutter());
    }

    private static PageGeometry turned(PageGeometry page, boolean landscape) {
        if (page.isLandscape() == landscape) return page;
        return new PageGeometry(page.height(), page.width(), page.top(), page.right(), page.bottom(), page.left(), page.header(), page.footer(), page.gutter());
    }

    void tell() {
        if (!more.isOpen() || desk.document() == null || desk.selection().get() == null) return;
        telling = true;
        Section section = desk.document().sections().get(Sections.at(desk.selection().get()));
        PageGeometry page = section.page();
        Paper size = Paper.of(page);
        if (size == Paper.OTHER && !paper.getItems().contains(Paper.OTHER)) paper.getItems().add(Paper.OTHER);
        paper.setValue(size);
        across.setSelected(page.isLandscape());
        columns.setValue(section.columns().count());
        top.show(page.top());
        bottom.show(page.bottom());
        left.show(page.left());
        right.show(page.right());
        boolean several = desk.document().sections().size() > 1;
        writes.set(!desk.hasOwnPages());
        watermark.setText(Objects.requireNonNullElse(Watermark.of(desk.document()), ""));
        everywhere.setVisible(several);
        everywhere.setManaged(several);
        telling = false;
    }
}
