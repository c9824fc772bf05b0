package app.decant.desktop.revise;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.document.Link;
import app.decant.document.Outline;
import app.decant.document.Place;
import app.decant.edit.Links;
import app.decant.edit.TextSelection;
import java.util.List;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.util.StringConverter;

/** Where the words at the caret lead: to an address or to a heading of the document; there while they lead somewhere, or when it is asked for. */
public final class LinkCard {
    private final Desk desk;
    private final Window window;
    private final TextField address = new TextField();
    private final ComboBox<Outline.Heading> headings = new ComboBox<>();
    private final Label about = new Label();
    private final Button follow = new Button(Words.of("link.follow"));
    private final Button out = new Button(Words.of("link.out"));
    private final Sometimes box;
    private TextSelection asked;
    private Link shown;
    private boolean telling;

    LinkCard(Window window) {
        this.window = window;
        desk = window.desk();
        address.setId("link-address");
        address.setPromptText(Words.of("link.address"));
        address.setAccessibleText(Words.of("link.address"));
        address.setOnAction(event -> lead());
        headings.setId("link-heading");
        headings.setPromptText(Words.of("link.heading"));
        headings.setAccessibleText(Words.of("link.heading"));
        headings.setMaxWidth(Double.MAX_VALUE);
        headings.setConverter(new StringConverter<>() {
            @Override public String toString(Outline.Heading heading) { return heading == null ? "" : heading.title(); }
            @Override public Outline.Heading fromString(String text) { return null; }
        });
        headings.setOnShowing(event -> {
            telling = true;
            headings.getItems().setAll(desk.pages().get() == null ? List.of() : desk.pages().get().outline().headings());
            telling = false;
        });
        headings.setOnAction(event -> {
            if (!telling && headings.getValue() != null) lead(headings.getValue());
        });
        follow.setId("link-follow");
        follow.setOnAction(event -> follow());
        out.setId("link-out");
        out.setOnAction(event -> put(null));
        for (Button button : List.of(follow, out)) button.getStyleClass().addAll("look-button", "small-button", "word-button");
        about.getStyleClass().add("quiet");
        about.setWrapText(true);
        about.managedProperty().bind(about.textProperty().isNotEmpty());
        Label title = new Label(Words.of("link"));
        title.getStyleClass().add("section");
        VBox card = new VBox(8, address, headings, about, new HBox(6, follow, out));
        card.getStyleClass().add("card");
        box = new Sometimes(title, card);
    }

    Node node() { return box; }

    /** Whether what is picked can lead somewhere, or does. */
    public boolean applies() {
        TextSelection picked = desk.selection().get();
        return picked != null && (!picked.isEmpty() && picked.start().path().equals(picked.end().path()) || Links.at(desk.document(), picked) != null);
    }

    /** Asks where what is picked is to lead. */
    public void ask() {
        asked = desk.selection().get();
        tell();
        address.requestFocus();
        address.selectAll();
    }

    private void lead() {
        String words = address.getText().strip();
        if (words.isEmpty()) return;
        boolean whole = words.contains(":") || words.startsWith("/");
        Link.Address to = new Link.Address(whole ? words : (words.contains("@") ? "mailto:" : "https://") + words);
        if (!to.passes(Set.of())) {
            about.setText(Words.of("link.refused", to.scheme()));
            return;
        }
        put(to);
    }

    private void put(Link link) {
        TextSelection picked = desk.selection().get();
        if (!applies()) return;
        asked = null;
        desk.apply(Links.put(desk.document(), picked, link));
        window.table().requestFocus();
    }

    private void lead(Outline.Heading heading) {
        TextSelection picked = desk.selection().get();
        telling = true;
        headings.setValue(null);
        telling = false;
        if (!applies()) return;
        asked = null;
        desk.apply(Links.lead(desk.document(), Links.around(desk.document(), picked), new Place(heading.path(), 0)));
        window.table().requestFocus();
    }

    /** Goes where the link at the caret leads. */
    public void follow() {
        Link link = Links.at(desk.document(), desk.selection().get());
        if (link instanceof Link.Address to && to.passes(Set.of())) window.openAddress(to.uri());
        if (!(link instanceof Link.Inside inside)) return;
        Place place = Links.target(desk.document(), inside.bookmark());
        if (place != null) window.table().pick(TextSelection.caret(place), true);
    }

    void tell() {
        TextSelection picked = desk.selection().get();
        if (asked != null && !asked.equals(picked)) asked = null;
        Link link = Links.at(desk.document(), picked);
        box.show(link != null || asked != null);
        if (!box.isShown()) return;
        boolean lost = link instanceof Link.Inside inside && Links.target(desk.document(), inside.bookmark()) == null;
        about.setText(link == null ? "" : lost ? Words.of("link.lost") : link instanceof Link.Inside inside
                ? Words.of("link.inside", excerpt(Links.target(desk.document(), inside.bookmark()))) : "");
        follow.setDisable(link == null || lost);
        out.setDisable(link == null);
        boolean other = link == null ? shown != null : !link.equals(shown);
        if (other && !address.isFocused() || asked != null && !address.isFocused()) address.setText(link instanceof Link.Address to ? to.uri() : "");
        shown = link;
    }

    private String excerpt(Place place) {
        String text = desk.document().paragraph(place).plainText().strip();
        return text.length() > 40 ? text.substring(0, 39).strip() + "\u2026" : text;
    }
}
