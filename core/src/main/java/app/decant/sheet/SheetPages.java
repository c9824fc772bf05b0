package app.decant.sheet;

import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.WordLines;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** A workbook on its pages, which are made when they are first asked for: whoever writes a workbook as a workbook needs none. */
public final class SheetPages implements Pages {
    private final Workbook workbook;
    private final SheetChoice choice;
    private final FontCatalogue catalogue;
    private final Progress progress;
    private Made made;

    /** What laying it out came to. */
    record Made(List<Page> pages, List<Heading> headings, Element structure, Collection<FontCatalogue.Match> fonts, List<Finding> findings) {
        Made {
            pages = List.copyOf(pages);
            headings = List.copyOf(headings);
            findings = List.copyOf(findings);
        }
    }

    SheetPages(Workbook workbook, SheetChoice choice, FontCatalogue catalogue, Progress progress) {
        this.workbook = workbook;
        this.choice = choice;
        this.catalogue = catalogue;
        this.progress = progress;
    }

    private synchronized Made made() {
        if (made == null) made = SheetLayout.made(workbook, choice, catalogue, progress);
        return made;
    }

    public Workbook workbook() { return workbook; }

    @Override public List<Page> pages() { return made().pages; }
    @Override public Facts facts() { return workbook.facts(); }
    @Override public List<Heading> headings() { return made().headings; }
    @Override public Collection<FontCatalogue.Match> fonts() { return made().fonts; }
    @Override public List<Finding> findings() { return made().findings; }
    @Override public Element structure() { return made().structure; }

    /** What cells have no room for is cut off as the sheet shows it, and is {@linkplain #findings told}. */
    @Override public List<String> unplaced() { return List.of(); }

    @Override public Pages without(Set<String> families) { return SheetLayout.of(workbook, choice, catalogue.without(families), Progress.SILENT); }

    /** The workbook itself; and for formats of text its sheets as tables. */
    @Override public <T> Optional<T> origin(Class<T> kind) {
        if (kind == Workbook.class) return Optional.of(kind.cast(workbook));
        return kind == Document.class ? Optional.of(kind.cast(SheetText.of(workbook, choice))) : Optional.empty();
    }

    @Override public List<Item.LineItem> words(String text, String family, double size, Colour colour) { return WordLines.of(text, family, size, colour); }
}
