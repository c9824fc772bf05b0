package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Story;
import app.decant.document.Walk;
import java.util.List;

/** What of several pictures and boxes that lie upon each other is seen. */
public final class Overlaps {
    private Overlaps() { }

    /** Whether what is picked, or written in, stands in no line. */
    public static boolean apply(Document document, Selection picked) { return floating(document, picked) != null; }

    private static Inline.Floating floating(Document document, Selection picked) {
        Inline.Floating box = TextBoxes.floating(document, picked);
        return box != null ? box : Pictures.picked(document, picked) != null && Pictures.object(document, picked) instanceof Inline.Floating one ? one : null;
    }

    /**
     * Lays it over all else that floats in its story, or under that.
     *
     * @throws IllegalArgumentException where nothing that floats is picked
     */
    public static Change lay(Document document, Selection picked, boolean over) {
        Inline.Floating own = floating(document, picked);
        if (own == null) throw new IllegalArgumentException("Nothing that floats is picked");
        Story story = picked.story() instanceof Story.Box box ? box.anchor().story() : picked.story();
        List<Inline.Floating> others = Walk.of(document, story).stops().stream().flatMap(stop -> stop.paragraph().inlines().stream())
                .filter(one -> one != own && one instanceof Inline.Floating).map(Inline.Floating.class::cast).toList();
        int level = own.anchor().level();
        for (Inline.Floating one : others) level = over ? Math.max(level, one.anchor().level() + 1) : Math.min(level, one.anchor().level() - 1);
        Inline.Floating laid = new Inline.Floating(own.anchor().withLevel(level), own.content(), own.look());
        return picked.story() instanceof Story.Box && TextBoxes.at(document, picked) != null ? TextBoxes.changed(document, picked, floating -> laid)
                : Pictures.replaced(document, picked, (present, picture) -> laid);
    }
}
