package app.decant;

import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.font.FontCatalogue;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A document that becomes plain text, which has no pages: it is laid out only where somebody asks for them after all. */
final class UnlaidText implements Pages {
    private final Document document;
    private Pages laid;

    UnlaidText(Document document) { this.document = document; }

    private synchronized Pages laid() {
        if (laid == null) laid = Decant.layOut(document);
        return laid;
    }

    @Override public Facts facts() { return document.facts(); }
    @Override public <T> Optional<T> origin(Class<T> kind) { return kind == Document.class ? Optional.of(kind.cast(document)) : Optional.empty(); }

    @Override public List<Page> pages() { return laid().pages(); }
    @Override public List<Heading> headings() { return laid().headings(); }
    @Override public List<Hole> holes() { return laid().holes(); }
    @Override public Collection<FontCatalogue.Match> fonts() { return laid().fonts(); }
    @Override public List<Finding> findings() { return laid().findings(); }
    @Override public Element structure() { return laid().structure(); }
    @Override public List<String> unplaced() { return laid().unplaced(); }
    @Override public Pages without(Set<String> families) { return laid().without(families); }
    @Override public List<Item.LineItem> words(String text, String family, double size, Colour colour) { return laid().words(text, family, size, colour); }
}
