package app.decant;

import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.TrackedChanges;
import app.decant.page.Pages;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.util.Optional;
import java.util.function.Consumer;

/** The pages of a document whose tracked changes are settled as a recipe says, which is told, and that its comments have no place where that is so. */
final class SettledPages {
    private SettledPages() { }

    static Pages of(Pages pages, Recipe recipe, Progress progress, Consumer<Finding> told) {
        // Pages of a file, and sheets, bear no such marks.
        if (pages.original().isPresent() || pages.origin(Workbook.class).isPresent()) return pages;
        Optional<Document> origin = pages.origin(Document.class);
        if (origin.isEmpty()) return pages;
        Document document = origin.get();
        boolean takesComments = recipe.target() != Target.PDF && recipe.target().format().takesComments();
        int comments = takesComments ? 0 : Comments.borne(document).size();
        if (comments > 0) told.accept(Finding.lost(Message.of("publish.comments-are-left-out", comments)));
        Boolean settled = recipe.changes().settled(recipe.target());
        int count = settled == null ? 0 : TrackedChanges.count(document);
        if (count == 0) return pages;
        told.accept(Finding.changed(Message.of(settled ? "publish.changes-accepted" : "publish.changes-rejected", count)));
        return Decant.layOut(TrackedChanges.settled(document, settled), progress);
    }
}
