package app.decant.desktop.takein;

import app.decant.desktop.part.FindingRow;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.TextSelection;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What came in otherwise than it was: each finding with its page and one click to its place; a doubtful heading with one click to make it one. */
public final class FaithSlip {
    private static final int MOST = 120;
    private final Window window;
    private final VBox list = new VBox(10);
    private final ScrollPane scroll = new ScrollPane(list);
    private final VBox below = new VBox(8);
    private final VBox box = new VBox(scroll, below);
    private final List<Double> places = new ArrayList<>();
    private int at = -1;

    public FaithSlip(Window window) {
        this.window = window;
        list.getStyleClass().add("slip");
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("slip-scroll");
        box.setPrefWidth(286);
        box.setMinWidth(286);
        box.getStyleClass().add("slip-box");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        Label direct = new Label(Words.of("faith.direct"));
        direct.setWrapText(true);
        direct.getStyleClass().add("quiet");
        direct.setMinHeight(Region.USE_PREF_SIZE);
        Hyperlink another = new Hyperlink(Words.of("faith.another"));
        another.setId("another");
        another.setOnAction(event -> window.takeAnother());
        Hyperlink on = new Hyperlink(Words.of("take.revise"));
        on.setOnAction(event -> window.go(Station.REVISE));
        below.getChildren().addAll(on, another, direct);
        below.getStyleClass().add("slip-foot");
        window.desk().faith().addListener((observed, before, now) -> build());
        window.desk().pages().addListener((observed, before, now) -> build());
        build();
    }

    public Node node() { return box; }

    private void build() {
        list.getChildren().clear();
        places.clear();
        Label section = new Label(Words.of("slip.look"));
        section.getStyleClass().add("section");
        list.getChildren().add(section);
        if (window.desk().pages().get() == null) return;
        Outline outline = window.desk().pages().get().outline();
        Comparison faith = window.desk().faith().get();
        List<Finding> findings = window.desk().findings();
        List<Difference> differences = faith == null ? List.of() : faith.differences().stream().filter(one -> one.kind() != Difference.Kind.HEADING).toList();
        long look = outline.gaps().size() + findings.stream().filter(one -> one.weight() != Finding.Weight.NOTE).count() + differences.stream()
                .filter(one -> one.weight() != Finding.Weight.NOTE).count();
        Label title = new Label(look == 0 ? Words.of(faith == null ? "faith.comparing" : "check.clean") : Words.of("check.places", (int) look));
        title.getStyleClass().add("slip-title");
        title.setWrapText(true);
        list.getChildren().add(title);
        for (Outline.Gap gap : outline.gaps()) list.getChildren().add(gap(outline, gap));
        for (Finding finding : findings) list.getChildren().add(FindingRow.of(finding));
        if (!differences.isEmpty()) {
            Label text = new Label(Words.of("faith.text"));
            text.getStyleClass().add("section");
            list.getChildren().add(text);
        }
        for (Difference difference : differences.subList(0, Math.min(MOST, differences.size()))) list.getChildren().add(row(difference));
        if (differences.size() > MOST) list.getChildren().add(new Label(Words.of("slip.more", differences.size() - MOST)));
    }

    private Node gap(Outline outline, Outline.Gap gap) {
        Outline.Heading before = outline.headings().get(gap.after());
        VBox row = new VBox(2, FindingRow.of(Finding.changed(Message.said(Words.of("check.gap", gap.number(), before.title())))));
        if (gap.candidate() == null) return row;
        Hyperlink show = new Hyperlink(Words.of("check.show"));
        show.setOnAction(event -> window.table().pick(TextSelection.caret(new Place(gap.candidate(), 0)), true));
        Hyperlink make = new Hyperlink(Words.of("faith.heading", before.level()));
        make.setId("make-heading");
        make.setOnAction(event -> makeHeading(window.desk(), before, gap));
        row.getChildren().addAll(show, make);
        return row;
    }

    /** Makes the likely passage the missing heading: it takes the look of the heading before it. */
    public static void makeHeading(Desk desk, Outline.Heading before, Outline.Gap gap) {
        Paragraph model = before.paragraph();
        TextSelection span = TextSelection.caret(new Place(gap.candidate(), 0));
        desk.apply(Dressing.paragraphs(desk.document(), span, paragraph -> new Paragraph(model.style(), model.look(), Look.PLAIN,
                paragraph.inlines().stream().map(inline -> inline instanceof Inline.Text ? inline.with(Look.PLAIN) : inline).toList()), EditKind.HEADING));
    }

    private Node row(Difference difference) {
        double place = difference.page() + Math.max(0, difference.y() - 40) / pageHeight(difference.page());
        places.add(place);
        Hyperlink show = new Hyperlink(Words.of("faith.page", difference.page() + 1));
        show.getStyleClass().add("finding-place");
        show.setOnAction(event -> window.table().scrollTo(place));
        VBox row = new VBox(0, FindingRow.of(new Finding(difference.weight(), difference.message(), null)), show);
        row.setMinHeight(Region.USE_PREF_SIZE);
        return row;
    }

    private double pageHeight(int page) {
        int last = window.desk().pages().get().count() - 1;
        return window.desk().pages().get().page(Math.max(0, Math.min(page, last))).height();
    }

    /** To the next difference. */
    public void next() {
        if (places.isEmpty()) return;
        at = Math.floorMod(at + 1, places.size());
        window.table().scrollTo(places.get(at));
    }
}
