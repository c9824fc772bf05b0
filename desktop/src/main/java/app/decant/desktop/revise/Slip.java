package app.decant.desktop.revise;

import app.decant.desktop.part.FindingRow;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.table.PageTable;
import app.decant.desktop.work.Desk;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.edit.CellSelection;
import app.decant.edit.Headings;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import app.decant.font.FontCatalogue;
import app.decant.layout.PagedDocument;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ColorPicker;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import javafx.util.StringConverter;

/** The slip at the right: what is picked, and what can be done to it. */
public final class Slip {
    /** What is brought into view stands this far from the edge, in points of the screen. */
    private static final double APART = 12;
    private static final double[] SIZES = {8, 9, 10, 10.5, 11, 12, 14, 16, 18, 20, 24, 28, 36, 48};
    /** So many headings with levels left out are named at once. */
    private static final int SKIPS = 3;

    private final Desk desk;
    private final PageTable sheets;
    private final VBox content = new VBox(10);
    private final ScrollPane scroll = new ScrollPane(content);
    private final Label kind = new Label();
    private final Label words = new Label();
    private final StyleRow styles;
    private final ComboBox<String> families = new ComboBox<>();
    private final ComboBox<Double> sizes = new ComboBox<>();
    private final ToggleButton bold = toggle("slip.bold", "B", "bold");
    private final ToggleButton italic = toggle("slip.italic", "I", "italic");
    private final ToggleButton underline = toggle("slip.underline", "U", "underline");
    private final ToggleButton strike = toggle("slip.strike", "S", "strike");
    private final ColorPicker colour = new ColorPicker();
    private final List<ToggleButton> alignments = new ArrayList<>();
    private final VBox findings = new VBox(6);
    private final TableCard table;
    private final ListRow lists;
    private final PictureCard picture;
    private final LetterCard moreLetters;
    private final ParagraphCard paragraphs;
    private final Node letters;
    private final EchoCard echo;
    private final BoxCard textBox;
    private final SheetCellCard sheetCell;
    private final WordCard word;
    private final LinkCard link;
    private final ChangesCard changes;
    private final ReviewCard review;
    private final FormCard form;
    private final FontsCard fonts;
    private final PagesCard pageLook;
    private boolean telling;
    /** How far down it stood before a field was brought into view; NaN where none was. */
    private double before = Double.NaN;

    public Slip(Window window) {
        this.desk = window.desk();
        sheets = window.table();
        table = new TableCard(window);
        lists = new ListRow(window);
        styles = new StyleRow(window);
        paragraphs = new ParagraphCard(desk);
        moreLetters = new LetterCard(window);
        letters = textCard();
        picture = new PictureCard(window);
        echo = new EchoCard(desk, window.table());
        textBox = new BoxCard(window);
        sheetCell = new SheetCellCard(window);
        word = new WordCard(desk, window.table());
        link = new LinkCard(window);
        changes = new ChangesCard(window);
        review = new ReviewCard(window);
        form = new FormCard(window);
        fonts = new FontsCard(window);
        pageLook = new PagesCard(window);
        content.getStyleClass().add("slip");
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("slip-scroll");
        scroll.setPrefWidth(286);
        scroll.setMinWidth(286);
        kind.getStyleClass().add("slip-title");
        words.getStyleClass().add("quiet");
        words.setWrapText(true);
        content.getChildren().addAll(changes.node(), review.list(), review.hint(), section("slip.picked"), kind, words, review.atCaret(), form.node(),
                word.node(), link.node(), echo.node(), picture.node(), sheetCell.node(), textBox.node(), letters,
                section("slip.paragraph"), paragraphCard(),
                table.node(), pageLook.node(), fonts.node(), line(), section("slip.look"), findings);
        desk.selection().addListener((observed, before, now) -> tell());
        desk.nextLook().addListener((observed, before, now) -> tell());
        desk.pages().addListener((observed, before, now) -> {
            tell();
            tellFindings();
        });
        desk.source().addListener((observed, before, now) -> {
            tell();
            tellFindings();
        });
        wire(window);
        watchFocus();
        // Who clicks a button goes on writing; who gets there by keys stays there.
        content.addEventFilter(MouseEvent.MOUSE_RELEASED, event -> {
            if (isButton(event.getTarget())) Platform.runLater(window.table()::requestFocus);
        });
    }

    /** Whoever goes through it by keys sees where they are; once they are elsewhere, it stands as it stood. */
    private void watchFocus() {
        ChangeListener<Node> follows = (observed, was, now) -> Platform.runLater(() -> reveal(now));
        content.sceneProperty().addListener((observed, was, now) -> {
            if (was != null) was.focusOwnerProperty().removeListener(follows);
            if (now != null) now.focusOwnerProperty().addListener(follows);
        });
    }

    private void reveal(Node node) {
        Node inside = node;
        while (inside != null && inside != content) inside = inside.getParent();
        if (inside == null && !Double.isNaN(before)) {
            scroll.setVvalue(before);
            before = Double.NaN;
        }
        if (inside == null) return;
        // What has just been opened has its height only then.
        content.getScene().getRoot().applyCss();
        content.getScene().getRoot().layout();
        double room = content.getHeight() - scroll.getViewportBounds().getHeight();
        if (room <= 0) return;
        double stood = scroll.getVvalue();
        Bounds at = content.sceneToLocal(node.localToScene(node.getLayoutBounds()));
        double from = scroll.getVvalue() * room;
        double to = from + scroll.getViewportBounds().getHeight();
        if (at.getMinY() < from) scroll.setVvalue(Math.max(0, at.getMinY() - APART) / room);
        else if (at.getMaxY() > to) scroll.setVvalue(Math.min(1, (at.getMaxY() + APART - scroll.getViewportBounds().getHeight()) / room));
        if (scroll.getVvalue() != stood && Double.isNaN(before)) before = stood;
    }

    private static boolean isButton(Object target) {
        Node node = target instanceof Node clicked ? clicked : null;
        while (node != null && !(node instanceof ButtonBase)) node = node.getParent();
        return node != null;
    }

    public Node node() { return scroll; }

    /** Lights the passages like the one that is picked. */
    public void echo() { echo.begin(); }

    /** Lights the other tables, to look like the one at the caret. */
    public void echoTables() { echo.beginTables(); }

    /** Lights the other links, to look like the one at the caret. */
    public void echoLinks() { echo.beginLinks(); }

    /** Whether it shows something that Esc leaves. */
    public boolean isBusy() { return echo.isOn() || changes.isOn() || review.isOn(); }

    public void leave() {
        echo.leave();
        changes.leave();
        review.leave();
    }

    /** What is filled in here. */
    public FormCard forms() { return form; }

    /** What others changed and remarked. */
    public ReviewCard review() { return review; }

    /** What was changed. */
    public ChangesCard changes() { return changes; }

    /** Where words lead. */
    public LinkCard links() { return link; }

    public PagesCard pages() { return pageLook; }

    /** What is done to styles. */
    public StyleRow styles() { return styles; }

    /** What is done to pictures. */
    public PictureCard pictures() { return picture; }
    public FontsCard fonts() { return fonts; }

    /** What echo has lit. */
    public EchoCard echoed() { return echo; }

    private static Label section(String key) {
        Label label = new Label(Words.of(key));
        label.getStyleClass().add("section");
        return label;
    }

    private static Region line() {
        Region line = new Region();
        line.getStyleClass().add("hairline");
        return line;
    }

    private static ToggleButton toggle(String key, String sign, String style) {
        ToggleButton button = new ToggleButton(sign);
        button.getStyleClass().addAll("look-button", "look-" + style);
        button.setId("look-" + style);
        button.setAccessibleText(Words.of(key));
        button.setTooltip(new Tooltip(Words.of(key)));
        button.setFocusTraversable(true);
        button.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(button, Priority.ALWAYS);
        return button;
    }

    private Node textCard() {
        families.setMaxWidth(Double.MAX_VALUE);
        families.setAccessibleText(Words.of("slip.font"));
        families.setId("families");
        HBox.setHgrow(families, Priority.ALWAYS);
        sizes.setEditable(true);
        sizes.setPrefWidth(84);
        sizes.setMinWidth(84);
        sizes.setId("sizes");
        sizes.setAccessibleText(Words.of("slip.size"));
        for (double size : SIZES) sizes.getItems().add(size);
        sizes.setConverter(new StringConverter<>() {
            @Override public String toString(Double size) {
                return size == null ? "" : size == Math.rint(size) ? Integer.toString(size.intValue()) : size.toString();
            }
            @Override public Double fromString(String text) { return size(text, sizes.getValue()); }
        });
        colour.getStyleClass().add("button");
        colour.setAccessibleText(Words.of("slip.colour"));
        colour.setPrefWidth(64);
        HBox looks = new HBox(6, bold, italic, underline, strike, colour);
        VBox card = new VBox(8, new HBox(8, families, sizes), looks, moreLetters.node());
        card.getStyleClass().add("card");
        return card;
    }

    private static Double size(String text, Double otherwise) {
        try {
            double size = Double.parseDouble(text.trim().replace(',', '.'));
            return size >= 1 && size <= 1600 ? Double.valueOf(size) : otherwise;
        } catch (NumberFormatException e) {
            // What is not a number leaves the size as it was.
            return otherwise;
        }
    }

    private Node paragraphCard() {
        HBox row = new HBox(6);
        for (Alignment alignment : Alignment.values()) {
            ToggleButton button = new ToggleButton();
            button.setGraphic(lines(alignment));
            button.setAccessibleText(Words.of("align." + alignment.name().toLowerCase(Locale.ROOT)));
            button.setTooltip(new Tooltip(button.getAccessibleText()));
            button.getStyleClass().add("look-button");
            button.setId("align-" + alignment.name().toLowerCase(Locale.ROOT));
            button.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(button, Priority.ALWAYS);
            button.setOnAction(event -> {
                if (!telling) PickedLook.paragraphs(desk, ParagraphProperty.ALIGNMENT, alignment);
            });
            alignments.add(button);
            row.getChildren().add(button);
        }
        VBox card = new VBox(8, styles.node(), row, lists.node(), paragraphs.node());
        card.getStyleClass().add("card");
        return card;
    }

    /** Four short rules standing as the lines would. */
    private static Node lines(Alignment alignment) {
        Pane pane = new Pane();
        double[] widths = alignment == Alignment.JUSTIFY ? new double[] {14, 14, 14} : new double[] {14, 8, 12};
        for (int i = 0; i < widths.length; i++) {
            double x = alignment == Alignment.CENTRE ? (14 - widths[i]) / 2 : alignment == Alignment.END ? 14 - widths[i] : 0;
            Rectangle bar = new Rectangle(x, i * 4.0, widths[i], 1.6);
            bar.getStyleClass().add("align-bar");
            pane.getChildren().add(bar);
        }
        pane.setMaxSize(14, 11);
        return pane;
    }

    private void wire(Window window) {
        bold.setOnAction(event -> window.commands().named("bold").run());
        italic.setOnAction(event -> window.commands().named("italic").run());
        strike.setOnAction(event -> window.commands().named("strike").run());
        underline.setOnAction(event -> window.commands().named("underline").run());
        families.setOnAction(event -> {
            if (!telling && families.getValue() != null) PickedLook.set(desk, TextProperty.FAMILY, families.getValue());
        });
        sizes.setOnAction(event -> {
            if (!telling && sizes.getValue() != null) PickedLook.set(desk, TextProperty.SIZE, sizes.getValue());
        });
        colour.setOnAction(event -> {
            PickedLook.set(desk, TextProperty.COLOUR, ColourRow.colour(colour.getValue()));
        });
        families.setOnShowing(event -> {
            if (families.getItems().size() < 3) families.getItems().setAll(FontCatalogue.ofThisMachine().families());
        });
    }

    private void tell() {
        TextSelection span = desk.selection().get();
        PagedDocument pages = desk.pages().get();
        if (span == null || pages == null || pages.document() != desk.document() || pages.walk(span.story()).indexOf(span.head().path()) < 0) return;
        telling = true;
        Paragraph paragraph = desk.document().paragraph(span.head());
        Cascade cascade = Cascade.of(desk.document());
        int level = cascade.outlineLevel(paragraph);
        Style style = desk.document().styles().style(paragraph.style() == null ? desk.document().styles().defaultParagraph() : paragraph.style());
        int count = pages.walk(span.story()).between(span.start().path(), span.end().path()).size();
        String what = count > 1 ? Words.of("slip.paragraphs", count) : level > 0 ? Words.of("slip.heading", level) : style == null ? Words.of("slip.text")
                : StyleNames.plain(style);
        if (!(span.story() instanceof Story.Body)) what = Words.of("slip.in." + kind(span.story()));
        kind.setText(Tables.asCells(desk.document(), span) instanceof CellSelection cells ? Words.of("slip.cells", cells.cells(desk.document()).size()) : what);
        boolean shows = picture.tell();
        if (shows) kind.setText(Words.of("slip.picture"));
        letters.setVisible(!shows);
        letters.setManaged(!shows);
        table.tell(desk);
        word.tell();
        link.tell();
        textBox.tell();
        sheetCell.tell();
        review.tell();
        form.tell();
        fonts.tell();
        pageLook.tell();
        lists.tell(desk, paragraph);
        PagedDocument.Caret caret = pages.caret(span.head(), sheets.near());
        String excerpt = paragraph.plainText().replaceAll("\\s+", " ").trim();
        String page = caret == null ? "" : Words.of("slip.page", pages.page(caret.page()).label());
        String cited = excerpt.length() > 44 ? excerpt.substring(0, 43).trim() + "\u2026" : excerpt;
        words.setText(shows ? page : excerpt.isEmpty() ? Words.of("slip.empty", page) : "\u201C" + cited + "\u201D, " + page);
        Look look = PickedLook.present(desk);
        bold.setSelected(look.is(TextProperty.BOLD));
        italic.setSelected(look.is(TextProperty.ITALIC));
        strike.setSelected(look.is(TextProperty.STRIKE));
        underline.setSelected(look.get(TextProperty.UNDERLINE, Underline.NONE) != Underline.NONE);
        String family = look.get(TextProperty.FAMILY, "");
        if (!families.getItems().contains(family)) families.getItems().add(family);
        families.setValue(family);
        sizes.setValue(look.get(TextProperty.SIZE, 10.0));
        Colour ink = look.get(TextProperty.COLOUR, Colour.AUTOMATIC);
        colour.setValue(ink.isAutomatic() ? Color.BLACK : Color.rgb(ink.red(), ink.green(), ink.blue()));
        styles.tell(style);
        Look stands = cascade.paragraph(paragraph);
        paragraphs.tell(stands);
        moreLetters.tell(look);
        Alignment alignment = stands.get(ParagraphProperty.ALIGNMENT, Alignment.START);
        for (int i = 0; i < alignments.size(); i++) alignments.get(i).setSelected(Alignment.values()[i] == alignment);
        telling = false;
    }

    private static String kind(Story story) {
        if (story instanceof Story.Frame frame) return frame.place().isHeader() ? "header" : "footer";
        return story instanceof Story.Note ? "note" : "box";
    }

    private void tellFindings() {
        findings.getChildren().clear();
        List<Finding> all = desk.findings();
        List<Outline.Skip> skips = desk.pages().get() == null ? List.of() : desk.pages().get().outline().skips();
        if (all.isEmpty() && skips.isEmpty()) findings.getChildren().add(quiet(Words.of("slip.nothing")));
        for (Finding finding : all.subList(0, Math.min(6, all.size()))) findings.getChildren().add(FindingRow.of(finding));
        if (all.size() > 6) findings.getChildren().add(quiet(Words.of("slip.more", all.size() - 6)));
        for (int i = 0; i < Math.min(SKIPS, skips.size()); i++) findings.getChildren().add(skip(skips.get(i), i));
    }

    /** A heading with levels left out before it, and the remedy. */
    private Node skip(Outline.Skip skip, int number) {
        Button raise = new Button(Words.of("slip.skip.raise"));
        raise.setId("skip-" + number);
        raise.setAccessibleText(Words.of("slip.skip.raise.what", skip.heading().title()));
        raise.getStyleClass().addAll("look-button", "small-button", "word-button");
        raise.setOnAction(event -> desk.inOrder(() -> {
            TextSelection there = TextSelection.caret(new Place(skip.heading().path(), 0));
            if (desk.document().find(Story.BODY, skip.heading().path()) == skip.heading().paragraph())
                desk.apply(Headings.shift(desk.document(), there, -skip.levels()));
        }));
        return new VBox(4, quiet(Words.of("slip.skip", skip.heading().title(), skip.levels())), raise);
    }

    private static Label quiet(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("quiet");
        label.setWrapText(true);
        return label;
    }
}
