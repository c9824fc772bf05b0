package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.BlockStep;
import app.decant.edit.CellMoves;
import app.decant.edit.Change;
import app.decant.edit.Deletion;
import app.decant.edit.Draft;
import app.decant.edit.Dressing;
import app.decant.edit.EditKind;
import app.decant.edit.FrameStep;
import app.decant.edit.SectionStep;
import app.decant.edit.TableStep;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.page.Canvas;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Pages after an edit, laid out by doing only what changed, are those of a layout from nothing: compared by everything that is painted. */
class RelayoutTest {
    @Test void pagesAfterAnyEditAreThoseOfALayoutFromNothing() {
        Map<EditKind, Integer> done = new HashMap<>();
        for (int seed = 0; seed < 4; seed++) {
            Random random = new Random(seed);
            Document document = sample(seed);
            Layout layout = new Layout(FontCatalogue.shipped());
            layout.next(document);
            for (int i = 0; i < 24; i++) {
                Change change = edit(document, random);
                document = change.after();
                PagedDocument next = layout.next(document);
                PagedDocument anew = Layout.of(document, FontCatalogue.shipped());
                assertThat(painted(next)).as("seed %d, edit %d, %s", seed, i, change.transaction().kind()).isEqualTo(painted(anew));
                assertThat(next.outline()).isEqualTo(anew.outline());
                // Not at every edit, as nobody asks for it at every one.
                if (random.nextInt(3) > 0) assertThat(next.walk().stops()).isEqualTo(anew.walk().stops());
                done.merge(change.transaction().kind(), 1, Integer::sum);
                if (random.nextInt(3) > 0) continue;
                // Undone, and done again.
                Document before = change.before();
                assertThat(painted(layout.next(before))).as("seed %d, edit %d undone, %s", seed, i, change.transaction().kind())
                        .isEqualTo(painted(Layout.of(before, FontCatalogue.shipped())));
                assertThat(painted(layout.next(document))).isEqualTo(painted(anew));
            }
        }
        assertThat(done.keySet()).contains(EditKind.TYPING, EditKind.DELETING, EditKind.STYLE, EditKind.TABLE, EditKind.FRAME, EditKind.SECTION, EditKind.LOOK);
    }

    /** Blocks that come or go whole, and nothing beside them changes: paragraphs, a table over pages, a list of contents; at ends of pages as in them. */
    @Test void blocksThatComeAndGoLeaveNothingBehind() {
        Document document = Sample.of(Sample.prose(40, 50, 7));
        List<Block> whole = List.of(timetable(60, false), Paragraph.of("One line"), new Contents(1, 3, Sample.prose(70, 9, 3).stream()
                .map(Paragraph.class::cast).toList()));
        Layout layout = new Layout(FontCatalogue.shipped());
        PagedDocument plain = layout.next(document);
        for (Block block : whole) {
            for (int at = 0; at <= 40; at += 4) {
                Document with = document.replacing(BlockPath.of(0), at, at, List.of(block));
                assertThat(painted(layout.next(with))).as("%s put in at %d", block.getClass().getSimpleName(), at)
                        .isEqualTo(painted(Layout.of(with, FontCatalogue.shipped())));
                assertThat(painted(layout.next(document))).as("%s taken out at %d", block.getClass().getSimpleName(), at).isEqualTo(painted(plain));
            }
        }
    }

    @Test void aLetterInALateRowLaysOnlyItsPageOutAnew() {
        Document document = Sample.of(List.of(timetable(600, false), Paragraph.of("after it")));
        Layout layout = new Layout(FontCatalogue.shipped());
        PagedDocument before = layout.next(document);
        assertThat(before.count()).isGreaterThan(8);
        BlockPath path = BlockPath.of(0, 0, 400, 1, 0);
        PagedDocument after = layout.next(Typing.type(document, TextSelection.caret(new Place(path, 0)), "x", null).after());
        int page = after.spot(new Place(path, 0)).page();
        for (int i = 0; i < after.count(); i++) {
            if (Math.abs(i - page) > 1) assertThat(after.page(i) == before.page(i)).as("page %d, edited on %d", i, page).isTrue();
        }
        assertThat(after.page(page) == before.page(page)).isFalse();
    }

    @Test void aStyleChangedLeavesPagesWithoutItTheirText() {
        List<Block> blocks = new ArrayList<>(Sample.prose(200, 60, 5));
        blocks.add(100, Paragraph.styled("Loud", "Loud and alone"));
        Style style = new Style("Loud", "Loud", Style.Kind.PARAGRAPH, "Normal", null, Look.of(TextProperty.BOLD, true));
        Document document = Sample.of(blocks).withStyles(Sample.styles().with(style));
        Layout layout = new Layout(FontCatalogue.shipped());
        PagedDocument before = layout.next(document);
        Document changed = document.withStyles(document.styles().with(style.withLook(style.look().with(TextProperty.COLOUR, new Colour(0x8A3B12)))));
        PagedDocument after = layout.next(changed);
        int page = after.spot(new Place(BlockPath.of(0, 100), 0)).page();
        assertThat(after.page(0).text() == before.page(0).text()).isTrue();
        assertThat(after.page(after.count() - 1).text() == before.page(after.count() - 1).text()).isTrue();
        assertThat(after.page(page).text() == before.page(page).text()).isFalse();
    }

    @Test void aHeaderChangedKeepsTheTextOfPagesWhoseRoomItLeaves() {
        Section section = Section.PLAIN.withBlocks(Sample.prose(100, 60, 5)).withFrames(Map.of(Section.FramePlace.HEADER, List.of(Paragraph.of("Timetable"))));
        Document document = Sample.of(section);
        Layout layout = new Layout(FontCatalogue.shipped());
        PagedDocument before = layout.next(document);
        Place header = new Place(new Story.Frame(0, Section.FramePlace.HEADER), BlockPath.of(0, 0), 9);
        PagedDocument after = layout.next(Typing.type(document, TextSelection.caret(header), " from May", null).after());
        for (int i = 0; i < after.count(); i++) assertThat(after.page(i).text() == before.page(i).text()).as("page " + i).isTrue();
        assertThat(painted(after)).anyMatch(line -> line.contains("Timetable from May"));
    }

    /** The handbook, a long table with cells over several rows, lists, notes, numbers of pages in the text, two columns, a second section. */
    private static Document sample(int seed) {
        Document handbook = PassengerHandbook.document();
        List<Section> sections = new ArrayList<>(handbook.sections());
        List<Block> more = new ArrayList<>(sections.get(0).blocks());
        more.add(timetable(70, true));
        more.addAll(Sample.prose(25, 50, seed));
        Inline.Note note = new Inline.Note(Inline.Note.Kind.FOOTNOTE, List.of(Paragraph.of("A note that stands below.")), null, Look.PLAIN);
        for (int i = 0; i < 4; i++)
            more.add(15 * (i + 1), Paragraph.of("").withInlines(List.of(new Inline.Text("Text with a note", Look.PLAIN), note, new Inline.Text(" on page ",
                    Look.PLAIN), new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "", Look.PLAIN), new Inline.Text(" of ", Look.PLAIN),
                    new Inline.Field(Inline.Field.Kind.PAGES, "NUMPAGES", "", Look.PLAIN))));
        sections.set(0, sections.get(0).withBlocks(more));
        sections.add(new Section(seed % 2 == 0 ? Section.Start.CONTINUOUS : Section.Start.ODD_PAGE, Section.PageGeometry.A4,
                new Section.Columns(2, 18, false, List.of()), Section.PageNumbering.CONTINUED, Map.of(), false, Sample.prose(20, 40, seed + 50)));
        return handbook.withSections(sections);
    }

    private static Table timetable(int rows, boolean spans) {
        Borders lines = new Borders(Border.single(0.5, Colour.BLACK), null, Border.single(0.5, Colour.BLACK), null, null, null);
        List<Table.Row> all = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            boolean covered = spans && r % 10 == 5;
            if (!covered) cells.add(new Table.Cell(0, 1, spans && r % 10 == 4 ? 2 : 1, Look.of(TableProperty.BORDERS, lines), List.of(Paragraph.of("Row "
                    + r))));
            cells.add(new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of(r % 6 == 0 ? "from Halvard Point and the islands behind it" : "07.15"))));
            all.add(new Table.Row(r == 0 ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells));
        }
        return new Table(Look.PLAIN, List.of(120.0, 160.0), all);
    }

    private static Change edit(Document document, Random random) {
        List<Walk.Stop> stops = Walk.of(document).stops();
        Walk.Stop stop = stops.get(random.nextInt(stops.size()));
        if (random.nextInt(3) == 0) {
            List<Walk.Stop> cells = stops.stream().filter(one -> one.path().size() > 3).toList();
            if (!cells.isEmpty()) stop = cells.get(random.nextInt(cells.size()));
        }
        Place place = new Place(stop.path(), random.nextInt(stop.paragraph().length() + 1));
        TextSelection caret = TextSelection.caret(place);
        Draft draft = new Draft(document, caret);
        int first = random.nextInt(stops.size());
        Walk.Stop last = stops.get(Math.min(stops.size() - 1, first + random.nextInt(5)));
        TextSelection some = new TextSelection(new Place(stops.get(first).path(), 0), new Place(last.path(), last.paragraph().length()));
        return switch (random.nextInt(12)) {
            case 0 -> Typing.breakParagraph(document, caret);
            case 1 -> Deletion.delete(document, random.nextInt(4) > 0 ? new TextSelection(place.at(0), place) : some);
            case 2 -> Typing.type(document, caret, "some more words to push others ", null);
            case 3 -> Dressing.paragraphs(document, caret, paragraph -> paragraph.withStyle("Heading2"), EditKind.STYLE);
            case 4 -> Dressing.looks(document, some, look -> look.with(TextProperty.SIZE, 8.0 + random.nextInt(9)));
            case 5 -> {
                List<String> ids = List.copyOf(document.styles().styles().keySet());
                Style style = document.styles().style(ids.get(random.nextInt(ids.size())));
                yield Dressing.style(document, caret, style.withLook(style.look().with(TextProperty.SIZE, 8.0 + random.nextInt(6))));
            }
            case 6 -> Dressing.paragraphs(document, some, paragraph -> paragraph.withLook(paragraph.look().with(ParagraphProperty.KEEP_WITH_NEXT,
                    random.nextBoolean()).with(ParagraphProperty.SPACE_BEFORE, random.nextInt(3) * 6.0)), EditKind.PARAGRAPH);
            case 7 -> frame(document, draft, random);
            case 8 -> draft.add(new SectionStep(0, narrower(document.sections().get(0), random))).done(EditKind.SECTION);
            case 9 -> row(document, stop, draft, random);
            case 10 -> draft.add(new BlockStep(Story.BODY, BlockPath.of(0), 3, 4, List.of(timetable(2 + random.nextInt(40), random.nextBoolean()))))
                    .done(EditKind.TABLE);
            default -> Typing.type(document, caret, "x", null);
        };
    }

    private static Section narrower(Section section, Random random) {
        Section.PageGeometry page = section.page();
        return new Section(section.start(), new Section.PageGeometry(page.width(), page.height() - random.nextInt(3) * 40, page.top(), page.right(),
                page.bottom(), page.left(), page.header(), page.footer(), page.gutter()), section.columns(), section.numbering(), section.frames(),
                section.firstPageDiffers(), section.blocks());
    }

    private static Change frame(Document document, Draft draft, Random random) {
        Story.Frame frame = new Story.Frame(0, Section.FramePlace.HEADER);
        if (!Stories.has(document, frame) || random.nextBoolean()) {
            List<Block> lines = new ArrayList<>();
            for (int i = random.nextInt(6); i >= 0; i--) lines.add(Paragraph.of("A line of the header"));
            return draft.add(new FrameStep(frame, lines)).done(EditKind.FRAME);
        }
        Walk.Stop stop = Walk.of(document, frame).stops().get(0);
        return Typing.type(document, TextSelection.caret(new Place(frame, stop.path(), 0)), "Spring ", null);
    }

    /** A row put in or taken out. */
    private static Change row(Document document, Walk.Stop stop, Draft draft, Random random) {
        if (stop.path().size() < 5) return Typing.type(document, TextSelection.caret(new Place(stop.path(), 0)), "y", null);
        BlockPath path = BlockPath.of(stop.path().step(0), stop.path().step(1));
        if (!(document.find(Story.BODY, path) instanceof Table table) || table.rows().size() < 3) return Deletion.delete(document,
                TextSelection.caret(new Place(stop.path(), 0)));
        List<Table.Row> rows = new ArrayList<>(table.rows());
        int at = stop.path().step(2);
        if (random.nextBoolean()) rows.remove(at);
        else rows.add(at, rows.get(rows.size() - 1));
        Map<CellMoves.Cell, CellMoves.Cell> moves = new HashMap<>();
        return draft.add(new TableStep(Story.BODY, path, new Table(table.look(), table.columns(), rows), new CellMoves(moves))).done(EditKind.TABLE);
    }

    /** Everything that a canvas is shown, with its place, to a hundredth of a point. */
    static List<String> painted(PagedDocument pages) {
        List<String> all = new ArrayList<>();
        for (Page page : pages.pages()) {
            all.add(String.format("page %s %.2f %.2f", page.label(), page.width(), page.height()));
            page.show(new Canvas() {
                @Override public void glyphs(Piece.Glyphs glyphs, double x, double baseline, Colour colour) {
                    all.add(String.format("%.2f %.2f %s %s %.2f %s %s", x + glyphs.x(), baseline, glyphs.text(), glyphs.style().face(), glyphs.style().size(),
                            colour, Arrays.toString(glyphs.glyphX())));
                }

                @Override public void fill(double x, double y, double width, double height, Colour colour) {
                    all.add(String.format("fill %.2f %.2f %.2f %.2f %s", x, y, width, height, colour));
                }

                @Override public void rule(double x1, double y1, double x2, double y2, Border border) {
                    all.add(String.format("rule %.2f %.2f %.2f %.2f %s", x1, y1, x2, y2, border));
                }

                @Override public void picture(Picture picture, double x, double y) { all.add(String.format("picture %.2f %.2f %s", x, y, picture)); }

                @Override public void link(double x, double y, double width, double height, Link link) {
                    all.add(String.format("link %.2f %.2f %.2f %.2f %s", x, y, width, height, link));
                }
            });
        }
        return all;
    }
}
