package app.decant.desktop.work;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.TravellingSource;
import app.decant.desktop.part.Words;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.layout.PagedDocument;
import app.decant.pdf.Attachment;
import app.decant.publish.Order;
import app.decant.publish.Output;
import app.decant.publish.Publisher;
import app.decant.publish.Receipt;
import app.decant.publish.ReceiptFile;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** Publishing what lies on a desk, and what can be told of it before: how large it will be, what a format will not carry. */
public final class Publishing {
    private final Desk desk;
    private final Executor thread;
    private final ReadOnlyObjectWrapper<Receipt> receipt = new ReadOnlyObjectWrapper<>();
    private List<Receipt> others = List.of();
    private DecantException remediable;
    private Consumer<Recipe.WhenPresent> remedy;

    Publishing(Desk desk, Executor thread) {
        this.desk = desk;
        this.thread = thread;
    }

    /** What was published last of the open document. */
    public ReadOnlyObjectProperty<Receipt> receipt() { return receipt.getReadOnlyProperty(); }

    /** The receipts of what was made in the same go as that of {@link #receipt()}. */
    public List<Receipt> others() { return others; }

    /** Another document is there. */
    void forget() { receipt.set(null); }

    /** What makes the output that failed once more, with another rule for a file that is there; null where the trouble told is no such. */
    public Consumer<Recipe.WhenPresent> remedy() { return desk.trouble().get() != null && desk.trouble().get() == remediable ? remedy : null; }

    /**
     * Publishes the newest document; the first receipt or the trouble is told through the properties, then all of them to {@code after}.
     *
     * @param recipes of all that is made in one go, the main one first
     */
    public void publish(List<Map.Entry<String, Recipe>> recipes, Recipe.Passwords passwords, Path file, Consumer<List<Receipt>> after) {
        Session session = desk.session();
        if (session == null) return;
        session.whenLaidOut(() -> {
            PagedDocument laid = session.laid();
            List<Path> names = Output.names(file, recipes);
            Intake intake = session.intake(laid);
            Job publishing = new Job(Words.of("job.publishing", file.getFileName()));
            desk.job().set(publishing);
            desk.trouble().set(null);
            publishing.start(thread, progress -> {
                List<Output> outputs = new ArrayList<>();
                List<Finding> inside = new ArrayList<>();
                for (int i = 0; i < names.size(); i++) {
                    Recipe recipe = recipes.get(i).getValue();
                    Order order = new Order(intake.pages(recipe, progress), recipe, passwords, session.source().file());
                    outputs.add(new Output(order.with(travelling(session, laid, recipe, inside)), names.get(i)));
                }
                List<Receipt> made = new ArrayList<>(Decant.publish(outputs, progress));
                made.set(0, made.get(0).with(inside));
                if (recipes.get(0).getValue().target() == Target.PDF || session.isTables()) made.set(0, made.get(0).with(intake.findings()));
                for (Receipt one : made) ReceiptFile.keep(one, Instant.now(), Decant.home().resolve("receipts"));
                return made;
            }, made -> {
                desk.job().set(null);
                others = List.copyOf(made.subList(1, made.size()));
                receipt.set(made.get(0));
                if (recipes.stream().anyMatch(recipe -> recipe.getValue().target() == Target.DOCX)) session.saved(laid.document());
                after.accept(made);
            }, problem -> {
                desk.job().set(null);
                if (problem.kind() == DecantException.Kind.CANCELLED) return;
                remediable = problem;
                remedy = present -> publish(recipes.stream().map(one -> Map.entry(one.getKey(), one.getValue().with(present))).toList(), passwords, file,
                        after);
                desk.trouble().set(problem);
            });
        });
    }

    /** What travels inside as what a PDF was made from, as it reads now; null for the source as it lies there, or nothing. */
    private static Attachment travelling(Session session, PagedDocument laid, Recipe recipe, List<Finding> findings) {
        Session.Source source = session.source();
        if (recipe.target() != Target.PDF) return null;
        if (!recipe.attachSource()) {
            if (source.inside() != null && laid.document() != source.taken().document()) findings.add(TravellingSource.stale(source.inside()));
            return null;
        }
        TravellingSource made = TravellingSource.of(source.file(), source.password(), source.taken(), laid.document());
        findings.addAll(made.findings());
        return made.attachment();
    }

    /** About how large a PDF will be, worked out aside; -1 where that can't be told. */
    public void estimate(Recipe recipe, Consumer<Long> told) {
        Session session = desk.session();
        PagedDocument laid = session.laid();
        new Job("").start(desk::aside, progress -> Publisher.estimate(new Order(session.intake(laid).pages(recipe, progress), recipe, Recipe.Passwords.NONE,
                session.source().file()), progress), told, problem -> told.accept(-1L));
    }

    /** Tells what a format will not carry of the document. */
    public void losses(Recipe recipe, Consumer<List<Finding>> told) {
        Session session = desk.session();
        PagedDocument laid = session.laid();
        new Job("").start(desk::aside, progress -> {
            Intake intake = session.intake(laid);
            List<Finding> found = new ArrayList<>(Publisher.losses(new Order(intake.pages(recipe, progress), recipe)));
            if (recipe.target() == Target.PDF || session.isTables()) found.addAll(intake.findings());
            travelling(session, laid, recipe, found);
            return found;
        }, told, problem -> told.accept(List.of(Finding.lost(problem.message()))));
    }
}
