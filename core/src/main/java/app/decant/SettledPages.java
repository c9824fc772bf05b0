package app.decant;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.page.Pages;
import app.decant.publish.Recipe;
import app.decant.publish.Settling;
import app.decant.publish.Target;
import app.decant.sheet.Workbook;
import java.util.Optional;
import java.util.function.Consumer;

/** The pages of a document whose tracked changes are settled as a recipe says. Text documents are settled when they are written. */
final class SettledPages {
    private SettledPages() { }

    static Pages of(Pages pages, Recipe recipe, Progress progress, Consumer<Finding> told) {
        // Pages of a file, and sheets, bear no such marks.
        boolean laid = pages.original().isEmpty() && pages.origin(Workbook.class).isEmpty();
        Optional<Document> origin = recipe.target() == Target.PDF && laid ? pages.origin(Document.class) : Optional.empty();
        if (origin.isEmpty()) return pages;
        Document settled = Settling.of(origin.get(), recipe, told);
        return settled == origin.get() ? pages : Decant.layOut(settled, progress);
    }
}
