package app.decant.desktop.publish;

import app.decant.Decant;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Notices;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Job;
import app.decant.desktop.work.Session;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.publish.Delivery;
import app.decant.publish.PublishQueue.Waiting;
import app.decant.publish.PublishQueue;
import app.decant.publish.Receipt;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.slf4j.LoggerFactory;

/** The publications that wait: run, put in another order, taken out. Not shown where nothing waits. */
public final class QueueView {
    private final Window window;
    private final PublishQueue queue = Decant.queue();
    private final VBox box = new VBox(6);

    QueueView(Window window) {
        this.window = window;
        box.getStyleClass().add("card");
        box.setId("queue");
        show();
    }

    Node node() { return box; }

    /** Puts a publication there. */
    void add(Document document, Session.Source source, List<PublishQueue.Wish> wishes) {
        try {
            Decant.queue(document, source.taken(), source.title(), source.file(), source.password(), wishes, Delivery.NONE);
            window.notices().say(Words.of("after.queue.done", wishes.get(0).file().getFileName()), "notice-good", Notices.action("notice.well", () -> { }));
        } catch (DecantException e) {
            window.desk().trouble().set(e);
        }
        show();
    }

    void show() {
        List<Waiting> all = waiting();
        box.getChildren().clear();
        box.setVisible(!all.isEmpty());
        box.setManaged(!all.isEmpty());
        if (all.isEmpty()) return;
        Label title = new Label(Words.of("queue.title"));
        title.getStyleClass().add("section");
        Button run = new Button(Words.of("queue.run"));
        run.setId("queue-run");
        run.setOnAction(event -> run());
        box.getChildren().addAll(title);
        for (Waiting one : all) box.getChildren().add(row(one, one == all.get(0)));
        box.getChildren().add(run);
    }

    private List<Waiting> waiting() {
        try {
            return queue.all();
        } catch (DecantException e) {
            window.desk().trouble().set(e);
            return List.of();
        }
    }

    private Node row(Waiting waiting, boolean first) {
        Label name = new Label(waiting.isDamaged() ? waiting.title() : waiting.file().getFileName().toString());
        Label quiet = new Label(waiting.trouble() == null ? String.valueOf(waiting.file().getParent()) : Words.of("queue.failed", waiting.trouble()));
        quiet.getStyleClass().add(waiting.trouble() == null ? "quiet" : "wrong");
        quiet.setWrapText(true);
        VBox words = new VBox(name, quiet);
        Region between = new Region();
        HBox.setHgrow(between, Priority.ALWAYS);
        Button earlier = new Button(Words.of("queue.earlier"));
        earlier.setDisable(first);
        earlier.setOnAction(event -> attempt(() -> queue.earlier(waiting)));
        Button remove = new Button(Words.of("queue.remove"));
        remove.setOnAction(event -> attempt(() -> queue.remove(waiting)));
        HBox row = new HBox(8, words, between, earlier, remove);
        for (Button button : List.of(earlier, remove)) button.setMinWidth(Region.USE_PREF_SIZE);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void attempt(Runnable task) {
        try {
            task.run();
        } catch (DecantException e) {
            window.desk().trouble().set(e);
        }
        show();
    }

    /** All that wait, one after another; what fails stays with its reason, and the others are made. */
    private void run() {
        Desk desk = window.desk();
        if (desk.job().get() != null) return;
        List<Waiting> all = waiting();
        Job job = new Job(Words.of("queue.title"));
        desk.job().set(job);
        job.start(desk::aside, progress -> {
            List<Receipt> made = new ArrayList<>();
            for (int i = 0; i < all.size(); i++) {
                Waiting one = all.get(i);
                progress.step(i, all.size(), Message.said(Words.of("queue.job", one.file().getFileName())));
                try {
                    made.addAll(Decant.publishWaiting(one, progress));
                } catch (DecantException e) {
                    if (e.kind() == DecantException.Kind.CANCELLED) throw e;
                    LoggerFactory.getLogger(QueueView.class).info("{}", e.getMessage(), e);
                }
            }
            return made;
        }, made -> {
            desk.job().set(null);
            show();
            if (!made.isEmpty()) window.notices().say(Words.of("queue.done", made.size()), "notice-good", Notices.action("receipt.folder",
                    () -> window.openOutside(made.get(0).file().getParent())));
        }, problem -> {
            desk.job().set(null);
            show();
            if (problem.kind() != DecantException.Kind.CANCELLED) desk.trouble().set(problem);
        });
    }
}
