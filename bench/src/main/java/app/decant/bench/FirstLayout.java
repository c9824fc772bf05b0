package app.decant.bench;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Change;
import app.decant.edit.Dressing;
import app.decant.edit.TextSelection;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Work on much at once: a table of 10,000 rows laid out from nothing, one look over 10,000 paragraphs, a style changed in some 330 pages. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3)
@Measurement(iterations = 8)
@Fork(value = 1, jvmArgs = {"-Xmx1g", "-Djava.awt.headless=true"})
public class FirstLayout {
    private final FontCatalogue fonts = FontCatalogue.shipped();
    private final Layout layout = new Layout(fonts);
    private Document timetable;
    private Document paragraphs;
    private Document book;
    private double size = 11;

    @Setup public void make() {
        timetable = LongDocuments.timetable(10_000);
        List<Paragraph> many = new ArrayList<>();
        for (int i = 0; i < 10_000; i++) many.add(Paragraph.of("Paragraph " + i + " of many that look alike."));
        paragraphs = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.copyOf(many))));
        book = LongDocuments.pages(300);
        layout.next(book);
    }

    @Benchmark public PagedDocument tenThousandRows() { return new Layout(fonts).next(timetable); }

    @Benchmark public Change oneLookOverTenThousandParagraphs() {
        Walk.Stop last = Walk.of(paragraphs).stops().get(9_999);
        TextSelection all = new TextSelection(new Place(BlockPath.of(0, 0), 0), new Place(last.path(), last.paragraph().length()));
        return Dressing.looks(paragraphs, all, look -> look.with(TextProperty.BOLD, true));
    }

    @Benchmark public PagedDocument aStyleChanged() {
        size = size == 11 ? 10.5 : 11;
        Style style = book.styles().style("Heading2");
        Look other = style.look().with(TextProperty.SIZE, size);
        book = book.withStyles(book.styles().with(style.withLook(other)));
        return layout.next(book);
    }
}
