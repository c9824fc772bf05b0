package app.decant.desktop.publish;

import app.decant.Decant;
import app.decant.desktop.part.PhraseCard;
import app.decant.desktop.part.Words;
import app.decant.desktop.station.Notices;
import app.decant.desktop.station.Window;
import app.decant.desktop.work.Desk;
import app.decant.desktop.work.Job;
import app.decant.document.DecantException;
import app.decant.outbox.MailOutbox;
import app.decant.outbox.PrintFolder;
import app.decant.publish.Receipt;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import javafx.scene.control.TextField;

/** What happens once the files are there, the last phrase of the sentence. */
public final class Afterwards {
    private final Window window;
    private Wish wish = Wish.SHOW_RECEIPT;
    private String address = "";
    private PrintFolder.Job printing = PrintFolder.Job.PLAIN;

    private enum Wish { SHOW_RECEIPT, OPEN_FILE, OPEN_FOLDER, PRINT, MAIL, QUEUE }

    /** Whether the publication is to wait rather than be made now. */
    boolean isToWait() { return wish == Wish.QUEUE; }

    Afterwards(Window window) { this.window = window; }

    /** What was wished for one document is not done with another: nobody gets a mail that was meant for somebody else. */
    void forget() {
        wish = Wish.SHOW_RECEIPT;
        address = "";
        printing = PrintFolder.Job.PLAIN;
    }

    String words() {
        if (wish == Wish.MAIL) return Words.of("after.mail", address);
        return wish == Wish.PRINT ? Words.of("after.print", printing.copies(), Words.of("sheets." + printing.sheets().name().toLowerCase(Locale.ROOT)))
                : words(wish);
    }

    private static String words(Wish wish) { return Words.of("after." + key(wish)); }

    private static String key(Wish wish) { return wish.name().toLowerCase(Locale.ROOT); }

    void card(PhraseCard card, Target target, Runnable chosen) {
        card.title(Words.of("card.after"));
        for (Wish one : Wish.values()) {
            if (one == Wish.MAIL || one == Wish.PRINT) continue;
            card.choice(words(one), one == Wish.QUEUE ? Words.of("after.queue.about") : "", wish == one, () -> {
                wish = one;
                chosen.run();
            });
        }
        if (target == Target.PDF) printing(card, chosen);
        TextField field = card.field("mail", address, Words.of("after.mail.prompt"));
        card.accept(field, text -> {
            if (!text.trim().matches("[^@\\s]+@[^@\\s]+(\\s*[,;]\\s*[^@\\s]+@[^@\\s]+)*")) return Words.of("after.mail.wrong");
            address = text.trim();
            wish = Wish.MAIL;
            chosen.run();
            return null;
        });
        card.note(Words.of("after.mail.note"));
    }

    private void printing(PhraseCard card, Runnable chosen) {
        TextField copies = card.named("copies", String.valueOf(printing.copies()), Words.of("after.print.copies"));
        for (PrintFolder.Sheets sheets : PrintFolder.Sheets.values()) {
            card.attempt(Words.of("sheets." + sheets.name().toLowerCase(Locale.ROOT)), wish == Wish.PRINT && printing.sheets() == sheets, () -> {
                String number = copies.getText().trim();
                if (!number.matches("[1-9]\\d{0,2}")) return Words.of("after.print.wrong");
                printing = new PrintFolder.Job(PrintFolder.Job.PLAIN.pages(), Integer.parseInt(number), true, sheets);
                wish = Wish.PRINT;
                chosen.run();
                return null;
            });
        }
    }

    /** Does it with all files of a publication. */
    void follow(List<Receipt> receipts, String password) {
        List<Path> files = receipts.stream().map(Receipt::file).toList();
        Path first = files.get(0);
        switch (wish) {
            case SHOW_RECEIPT, QUEUE -> { }
            case OPEN_FILE -> window.openOutside(first);
            case OPEN_FOLDER -> window.openOutside(first.getParent());
            case PRINT -> {
                // An office format has no pages of its own to print; the card does not offer it for one.
                if (receipts.get(0).target() == Target.PDF) aside(() -> print(files, password), "after.print.done");
            }
            case MAIL -> aside(() -> mail(files), "after.mail.done");
        }
    }

    private Path print(List<Path> files, String password) {
        PrintFolder printer = new PrintFolder(Decant.home().resolve("printed"));
        return files.stream().map(file -> printer.print(file, password, printing)).toList().get(0);
    }

    private Path mail(List<Path> files) {
        String subject = SafeFile.withoutEnding(files.get(0).getFileName().toString());
        return new MailOutbox(Decant.home().resolve("outbox")).put(new MailOutbox.Letter(List.of(address.split("\\s*[,;]\\s*")), subject, "", files),
                Instant.now());
    }

    /** Works aside, and tells where the result is or why there is none. */
    private void aside(Supplier<Path> work, String told) {
        Desk desk = window.desk();
        new Job("").start(desk::aside, progress -> work.get(), file -> window.notices().say(Words.of(told, file.getFileName()), "notice-good",
                Notices.action("receipt.folder", () -> window.openOutside(file.getParent()))),
                (DecantException problem) -> desk.trouble().set(problem));
    }
}
