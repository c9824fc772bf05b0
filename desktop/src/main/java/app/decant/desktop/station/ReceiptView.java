package app.decant.desktop.station;

import app.decant.desktop.part.FindingRow;
import app.decant.desktop.part.Words;
import app.decant.desktop.table.PagePictures;
import app.decant.desktop.work.Job;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.pdf.PdfPictures;
import app.decant.pdf.check.PdfCheck;
import app.decant.publish.Guard;
import app.decant.publish.Receipt;
import app.decant.publish.ReceiptFile;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import java.awt.image.BufferedImage;
import java.io.File;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.FileChooser;

/** The receipt: what was made and what was checked after it was opened again, beside pictures of the file itself. */
public final class ReceiptView {
    private static final int MOST_PICTURES = 6;

    private ReceiptView() { }

    public static Node of(Receipt receipt, Window window, String password) {
        VBox box = new VBox(8);
        box.getStyleClass().add("receipt");
        box.setId("receipt");
        Label title = new Label(Words.of(receipt.proven() ? "receipt.proven" : "receipt.not", receipt.file().getFileName()));
        title.getStyleClass().add("slip-title");
        String pages = receipt.pages() > 0 ? Words.of("pages", receipt.pages()) + ", " : "";
        Label size = new Label(Words.of("receipt.size", pages, bytes(receipt.bytes()), String.format(Locale.ENGLISH, "%.1f", receipt.time()
                .toMillis() / 1000.0), receipt.file().getParent()));
        size.getStyleClass().add("quiet");
        size.setWrapText(true);
        box.getChildren().addAll(title, size);
        for (PdfCheck.Proof proof : receipt.proofs()) {
            Label sign = new Label(proof.holds() ? "\u2713" : "\u2715");
            sign.getStyleClass().add(proof.holds() ? "proof-holds" : "proof-fails");
            sign.setMinWidth(16);
            HBox row = new HBox(8, sign, new Label(proof.sentence()));
            box.getChildren().add(row);
        }
        for (Finding finding : receipt.findings()) if (finding.weight() != Finding.Weight.NOTE) box.getChildren().add(FindingRow.of(finding));
        for (Receipt other : window.desk().publishing().others()) box.getChildren().add(besides(other));
        if (receipt.target() == Target.PDF) box.getChildren().add(pictures(receipt, window, password));
        Button open = new Button(Words.of("receipt.open"));
        open.setOnAction(event -> window.openOutside(receipt.file()));
        Button folder = new Button(Words.of("receipt.folder"));
        folder.setOnAction(event -> window.openOutside(receipt.file().getParent()));
        Instant when = Instant.now();
        Button save = new Button(Words.of("receipt.save"));
        save.setId("save-receipt");
        save.setOnAction(event -> save(receipt, when, window));
        HBox buttons = new HBox(10, open, folder, save);
        buttons.setAlignment(Pos.CENTER_LEFT);
        box.getChildren().add(buttons);
        return box;
    }

    /** What else was made: its name, whether it is proven, and what wants a look. */
    private static Node besides(Receipt other) {
        Label title = new Label(Words.of(other.proven() ? "receipt.proven" : "receipt.not", other.file().getFileName()));
        title.getStyleClass().add("section");
        VBox rows = new VBox(4, title);
        for (PdfCheck.Proof proof : other.proofs())
            if (!proof.holds()) rows.getChildren().add(FindingRow.of(Finding.lost(proof.message())));
        for (Finding finding : other.findings())
            if (finding.weight() != Finding.Weight.NOTE) rows.getChildren().add(FindingRow.of(finding));
        return rows;
    }

    private static void save(Receipt receipt, Instant when, Window window) {
        FileChooser chooser = new FileChooser();
        chooser.setInitialFileName(SafeFile.withoutEnding(receipt.file().getFileName().toString()) + " receipt.txt");
        chooser.setInitialDirectory(receipt.file().getParent().toFile());
        File file = chooser.showSaveDialog(window.stage());
        if (file == null) return;
        try {
            ReceiptFile.write(List.of(receipt), when, file.toPath(), Guard.NONE.and(window.desk().source().get().file()));
        } catch (DecantException e) {
            window.desk().trouble().set(e);
        }
    }

    /** The first pages, painted from the published file by another program part than the one that wrote it. */
    private static Node pictures(Receipt receipt, Window window, String password) {
        FlowPane flow = new FlowPane(10, 10);
        new Job("").start(window.desk()::aside, progress -> PdfPictures.of(receipt.file(), password, MOST_PICTURES, 0.32), images -> {
            for (BufferedImage image : images) {
                ImageView view = new ImageView(PagePictures.image(image));
                view.setFitWidth(image.getWidth() / 2.0);
                view.setFitHeight(image.getHeight() / 2.0);
                HBox frame = new HBox(view);
                frame.getStyleClass().add("thumb-frame");
                flow.getChildren().add(frame);
            }
        }, problem -> window.desk().trouble().set(problem));
        return flow;
    }

    public static String bytes(long bytes) {
        if (bytes < 1000) return Words.of("bytes", (int) bytes);
        if (bytes < 1_000_000) return Words.of("kilobytes", Math.round(bytes / 1000.0));
        if (bytes >= 1_000_000_000) return Words.of("gigabytes", String.format(Locale.ENGLISH, "%,.1f", bytes / 1e9));
        return Words.of("megabytes", String.format(Locale.ENGLISH, "%.1f", bytes / 1e6));
    }
}
