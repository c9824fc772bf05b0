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
import java.util.AbstractList;
import java.util.BitSet;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.RandomAccess;
import java.util.Set;
import java.util.stream.IntStream;

/** A workbook on its pages, which are made when they are first asked for: whoever writes a workbook as a workbook needs none. */
public final class SheetPages implements Pages {
    /** So many pages are remembered all; of more, a few. */
    private static final int MANY = 1000;
    private static final int FEW = 200;

    private final Workbook workbook;
    private final SheetChoice choice;
    private final FontCatalogue catalogue;
    private final Progress progress;
    private SheetLayout layout;
    private List<Finding> findings;
    private Painted painted;

    /** Pages as a list: each painted when it is asked for. Of many only those asked for last are remembered, and the others painted again. */
    private static final class Painted extends AbstractList<Page> implements RandomAccess {
        private final SheetLayout layout;
        private final BitSet seen = new BitSet();
        private final Map<Integer, Page> known;

        Painted(SheetLayout layout) {
            this.layout = layout;
            int most = layout.count() > MANY ? FEW : MANY;
            known = new LinkedHashMap<>(16, 0.75f, true) {
                @Override protected boolean removeEldestEntry(Map.Entry<Integer, Page> eldest) { return size() > most; }
            };
        }

        @Override public int size() { return layout.count(); }

        @Override public Page get(int index) {
            synchronized (known) {
                Page page = known.get(index);
                if (page == null) {
                    page = layout.page(index, !seen.get(index));
                    seen.set(index);
                    known.put(index, page);
                }
                return page;
            }
        }
    }

    SheetPages(Workbook workbook, SheetChoice choice, FontCatalogue catalogue, Progress progress) {
        this.workbook = workbook;
        this.choice = choice;
        this.catalogue = catalogue;
        this.progress = progress;
    }

    private synchronized SheetLayout layout() {
        if (layout != null) return layout;
        SheetLayout planned = SheetLayout.planned(workbook, choice, catalogue, progress);
        painted = new Painted(planned);
        // What is to be told of them is known only when all were painted once.
        for (int i = 0; i < planned.count(); i++) painted.get(i);
        findings = List.copyOf(planned.findings());
        layout = planned;
        return layout;
    }

    public Workbook workbook() { return workbook; }

    @Override public List<Page> pages() {
        layout();
        return painted;
    }

    @Override public List<String> labels() { return IntStream.range(0, layout().count()).mapToObj(layout()::label).toList(); }
    @Override public Facts facts() { return workbook.facts(); }
    @Override public List<Heading> headings() { return List.copyOf(layout().headings()); }
    @Override public Collection<FontCatalogue.Match> fonts() { return layout().fonts(); }
    @Override public List<Finding> findings() {
        layout();
        return findings;
    }

    @Override public Element structure() { return layout().structure(); }

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
