package app.decant.publish;

import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Forms;
import app.decant.document.TrackedChanges;
import app.decant.words.Message;
import java.util.Set;
import java.util.function.Consumer;

/** What people changed and remarked, as far as a publication settles it or has no place for it; both are told. */
public final class Settling {
    private Settling() { }

    /** The document as it is published: itself where nothing has to be settled. */
    public static Document of(Document document, Recipe recipe, Consumer<Finding> told) {
        boolean takesComments = recipe.target() != Target.PDF && recipe.target().format().takesComments();
        Set<Comment> comments = takesComments ? Set.of() : Comments.borne(document).keySet();
        if (!comments.isEmpty()) told.accept(Finding.lost(Message.of("publish.comments-are-left-out", comments.size())));
        Document kept = comments.isEmpty() ? document : Comments.without(document);
        boolean forms = recipe.target() != Target.PDF && !recipe.target().format().takesForms() && Forms.hasAny(document);
        if (forms) told.accept(Finding.changed(Message.of("publish.forms-become-text")));
        boolean controls = recipe.target() != Target.PDF && !recipe.target().format().takesControls() && Forms.hasControls(document);
        if (controls) told.accept(Finding.changed(Message.of("publish.controls-become-text")));
        Boolean settled = recipe.changes().settled(recipe.target());
        int count = settled == null ? 0 : TrackedChanges.count(document);
        if (count == 0) return kept;
        told.accept(Finding.changed(Message.of(settled ? "publish.changes-accepted" : "publish.changes-rejected", count)));
        return TrackedChanges.settled(kept, settled);
    }
}
