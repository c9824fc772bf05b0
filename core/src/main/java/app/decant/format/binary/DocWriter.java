package app.decant.format.binary;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.PageDress;
import app.decant.document.Paragraph;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.TextProperty;
import app.decant.format.FlatLooks;
import app.decant.format.FramedBlocks;
import app.decant.format.NumberCodes;
import app.decant.format.PartedWords;
import app.decant.format.Written;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Date;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.apache.poi.hpsf.DocumentSummaryInformation;
import org.apache.poi.hpsf.PropertySetFactory;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.hpsf.WritingNotSupportedException;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/**
 * Writes a document as a binary file of the 1997-2003 generation (MS-DOC). All text stands in one piece, in Unicode; tables, properties and lists
 * follow as the format's first version has them, with what later readers know better beside it.
 */
public final class DocWriter {
    /** Headers of sections in the order the format keeps them, behind six stories of separators. */
    private static final List<FramePlace> FRAMES = List.of(FramePlace.EVEN_HEADER, FramePlace.HEADER, FramePlace.EVEN_FOOTER, FramePlace.FOOTER,
            FramePlace.FIRST_HEADER, FramePlace.FIRST_FOOTER);
    private static final int SEPARATORS = 6;

    private final Document document;
    private final Cascade cascade;
    private final FontTable fonts = new FontTable();
    private final StyleTable styles;
    private final ListTable lists;
    private final LookProperties looks;
    private final Drawings drawings = new Drawings();
    private final Bytes data = new Bytes();
    private final List<Inline.Note> footnotes = new ArrayList<>();
    private final List<Inline.Note> endnotes = new ArrayList<>();
    private final Set<String> lost = new LinkedHashSet<>();
    private final List<Integer> sectionEnds = new ArrayList<>();
    private final List<Integer> headerStarts = new ArrayList<>();
    private Section section;
    private boolean inNote;

    private DocWriter(Document document) {
        this.document = document;
        cascade = Cascade.of(document);
        styles = new StyleTable(document.styles());
        lists = new ListTable(document.numbering());
        looks = new LookProperties(fonts, styles::number);
    }

    /** Writes a document; {@code template} makes it one. */
    public static Written write(Document document, Instant when, boolean template) {
        DocWriter writer = new DocWriter(FramedBlocks.inBoxes(document, false));
        if (FramedBlocks.hasFloatingTable(document)) writer.lose("floating");
        byte[] bytes = writer.file(when, template);
        return new Written(bytes, writer.findings());
    }

    Cascade cascade() { return cascade; }
    FlatLooks flat() { return new FlatLooks(cascade); }
    StyleTable styles() { return styles; }
    ListTable lists() { return lists; }
    LookProperties looks() { return looks; }
    Drawings drawings() { return drawings; }
    Section.PageGeometry page() { return section.page(); }
    boolean isInNote() { return inNote; }
    void lose(String what) { lost.add(what); }
    void simplify(String what) { lost.add(what); }
    void note(Inline.Note note) { (note.kind() == Inline.Note.Kind.FOOTNOTE ? footnotes : endnotes).add(note); }

    /** Adds to the data stream; gives where it stands. */
    int data(byte[] bytes) {
        int place = data.size();
        data.all(bytes);
        return place;
    }

    private List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        if (lost.contains("opaque")) findings.add(Finding.lost(Message.of("binary.charts-formulas-and-embedded-objects-that-have")));
        if (lost.contains("picture")) findings.add(Finding.lost(Message.of("binary.a-picture-cannot-be-decoded")));
        if (lost.contains("floating")) findings.add(Finding.changed(Message.of("format.floating-tables-stand-in-the-text")));
        if (lost.contains("running")) findings.add(Finding.changed(Message.of("binary.boxes-run-across")));
        if (lost.contains("boxes")) findings.add(Finding.changed(Message.of("binary.text-boxes-become-framed-paragraphs")));
        if (drawings.changed() > 0)
            findings.add(Finding.changed(Message.of("binary.pictures-became-pixels-in-the-doc", drawings.changed())));
        return findings;
    }

    private byte[] file(Instant when, boolean template) {
        Story body = body();
        Story headers = headers();
        List<Integer> footnoteStarts = new ArrayList<>();
        Story notes = notes(footnotes, footnoteStarts);
        List<Integer> endnoteStarts = new ArrayList<>();
        Story ends = notes(endnotes, endnoteStarts);
        FileLayout layout = new FileLayout(document, body, notes, headers, ends, template);
        layout.styles(styles.toBytes(looks, lists::number, fonts.number(document.styles().defaults().get(TextProperty.FAMILY,
                "Liberation Serif")), PartedWords.areIn(document)));
        if (!lists.isEmpty()) layout.lists(lists.patterns(), lists.levels(looks), lists.lists(looks));
        layout.sections(sectionEnds, document.sections().stream().map(DocWriter::properties).toList());
        layout.headerStarts(headerStarts);
        layout.notes(body, footnoteStarts, endnoteStarts);
        layout.drawings(drawings);
        byte[] stream = layout.finish(fonts, this::data);
        return container(stream, layout.table(), when);
    }

    private Story body() {
        StoryMaker maker = new StoryMaker(this, false);
        for (int i = 0; i < document.sections().size(); i++) {
            section = document.sections().get(i);
            boolean last = i == document.sections().size() - 1;
            List<Block> blocks = new ArrayList<>(section.blocks());
            // A section ends in a paragraph, and so does the file.
            if (blocks.isEmpty() || !(blocks.get(blocks.size() - 1) instanceof Paragraph)) blocks.add(Paragraph.of(""));
            for (int b = 0; b < blocks.size(); b++) {
                boolean ends = !last && b == blocks.size() - 1;
                maker.block(blocks.get(b), StoryMaker.Place.BODY, ends ? StoryMaker.SECTION : StoryMaker.PARAGRAPH);
            }
            sectionEnds.add(maker.story.length());
        }
        return maker.story;
    }

    /** Each story that is not empty ends in a paragraph mark of its own besides its text (2.8.26). */
    private Story headers() {
        StoryMaker maker = new StoryMaker(this, true);
        if (document.sections().stream().allMatch(one -> one.frames().isEmpty())) return maker.story;
        for (int i = 0; i < SEPARATORS; i++) headerStarts.add(0);
        for (Section one : document.sections()) {
            section = one;
            for (FramePlace place : FRAMES) {
                headerStarts.add(maker.story.length());
                if (!one.frames().containsKey(place)) continue;
                maker.blocks(one.frames().get(place), StoryMaker.Place.BODY);
                maker.story.end(StoryMaker.PARAGRAPH, new Properties(), 0, new Properties());
            }
        }
        headerStarts.add(maker.story.length());
        maker.story.end(StoryMaker.PARAGRAPH, new Properties(), 0, new Properties());
        return maker.story;
    }

    private Story notes(List<Inline.Note> notes, List<Integer> starts) {
        inNote = true;
        StoryMaker maker = new StoryMaker(this, true);
        for (Inline.Note note : notes) {
            starts.add(maker.story.length());
            maker.blocks(note.blocks(), StoryMaker.Place.BODY);
        }
        if (!notes.isEmpty()) {
            starts.add(maker.story.length());
            maker.story.end(StoryMaker.PARAGRAPH, new Properties(), 0, new Properties());
        }
        inNote = false;
        return maker.story;
    }

    /** 2.6.4: how pages of a section are. */
    private static byte[] properties(Section section) {
        Section.PageGeometry page = section.page();
        int start = switch (section.start()) {
            case CONTINUOUS -> 0;
            case NEXT_COLUMN -> 1;
            case NEXT_PAGE -> 2;
            case EVEN_PAGE -> 3;
            case ODD_PAGE -> 4;
        };
        Properties made = new Properties().one(0x3009, start).two(0xB01F, LookProperties.twips(page.width())).two(0xB020, LookProperties.twips(page.height()))
                .one(0x301D, page.isLandscape() ? 2 : 1)
                .two(0xB021, LookProperties.twips(page.left())).two(0xB022, LookProperties.twips(page.right())).two(0x9023, LookProperties.twips(page.top()))
                        .two(0x9024, LookProperties.twips(page.bottom()))
                .two(0xB025, LookProperties.twips(page.gutter())).two(0xB017, LookProperties.twips(page.header()))
                        .two(0xB018, LookProperties.twips(page.footer()));
        if (section.firstPageDiffers()) made.flag(0x300A, true);
        Section.Columns columns = section.columns();
        if (columns.count() > 1) {
            made.two(0x500B, columns.count() - 1).two(0x900C, LookProperties.twips(columns.gap())).flag(0x3019, columns.line());
            if (columns.widths().size() >= columns.count() * 2 - 1) {
                made.flag(0x3005, false);
                for (int i = 0; i < columns.count(); i++) {
                    made.columnLength(0xF203, i, LookProperties.twips(columns.widths().get(2 * i)));
                    if (i + 1 < columns.count()) made.columnLength(0xF204, i, LookProperties.twips(columns.widths().get(2 * i + 1)));
                }
            }
        }
        NumberFormat format = section.numbering().format();
        int number = format == NumberFormat.UPPER_ROMAN ? 1 : format == NumberFormat.LOWER_ROMAN ? 2 : format == NumberFormat.UPPER_LETTER ? 3
                : format == NumberFormat.LOWER_LETTER ? 4 : 0;
        if (number > 0) made.one(0x300E, number);
        if (section.numbering().start() != null) made.flag(0x3011, true).two(0x501C, section.numbering().start());
        dress(made, section.dress());
        return made.toBytes();
    }

    private static void notes(Properties made, NoteCount count, NoteCount usual, int format, int start, int again) {
        if (!count.equals(usual)) made.two(format, NumberCodes.code(count.format())).two(start, count.start()).one(again, count.bySection() ? 1 : 0);
    }

    private static void dress(Properties made, PageDress dress) {
        if (dress.isFramed()) {
            List<Border> sides = Arrays.asList(dress.frame().top(), dress.frame().left(), dress.frame().bottom(), dress.frame().right());
            for (int i = 0; i < sides.size(); i++)
                if (sides.get(i) != null)
                    made.four(0x702B + i, LookProperties.oldBorder(sides.get(i))).variable(0xD234 + i, LookProperties.border(sides.get(i)));
            made.two(0x522F, (dress.framed() == PageDress.Framed.FIRST ? 1 : dress.framed() == PageDress.Framed.OTHERS ? 2 : 0) | (dress.fromText() ? 0 : 32));
        }
        PageDress.LineNumbers numbers = dress.numbers();
        if (numbers != null) made.two(0x5015, numbers.every()).two(0x501B, numbers.start() - 1).two(0x9016, LookProperties.twips(numbers.distance()))
                .one(0x3013, numbers.again() == PageDress.LineNumbers.Again.SECTION ? 1 : numbers.again() == PageDress.LineNumbers.Again.NEVER ? 2 : 0);
        notes(made, dress.footnotes(), NoteCount.FOOTNOTES, 0x5040, 0x503F, 0x303C);
        notes(made, dress.endnotes(), NoteCount.ENDNOTES, 0x5042, 0x5041, 0x303E);
        if (dress.standing() != PageDress.Standing.TOP) made.one(0x301A, dress.standing() == PageDress.Standing.MIDDLE ? 1 : 3);
    }

    private byte[] container(byte[] stream, byte[] table, Instant when) {
        try (POIFSFileSystem files = new POIFSFileSystem()) {
            files.createDocument(new ByteArrayInputStream(padded(stream)), "WordDocument");
            files.createDocument(new ByteArrayInputStream(padded(table)), "1Table");
            if (data.size() > 0) files.createDocument(new ByteArrayInputStream(padded(data.toBytes())), "Data");
            SummaryInformation summary = PropertySetFactory.newSummaryInformation();
            if (document.facts().title() != null) summary.setTitle(document.facts().title());
            if (document.facts().subject() != null) summary.setSubject(document.facts().subject());
            if (document.facts().author() != null) summary.setAuthor(document.facts().author());
            if (document.facts().keywords() != null) summary.setKeywords(document.facts().keywords());
            if (document.facts().created() != null) summary.setCreateDateTime(Date.from(document.facts().created()));
            summary.setLastSaveDateTime(Date.from(when));
            summary.setApplicationName("Decant");
            summary.write(files.getRoot(), SummaryInformation.DEFAULT_STREAM_NAME);
            DocumentSummaryInformation more = PropertySetFactory.newDocumentSummaryInformation();
            String company = document.facts().others().get("Company");
            if (company != null) more.setCompany(company);
            more.write(files.getRoot(), DocumentSummaryInformation.DEFAULT_STREAM_NAME);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            files.writeFilesystem(out);
            return out.toByteArray();
        } catch (IOException | WritingNotSupportedException e) {
            throw new UncheckedIOException(e instanceof IOException io ? io : new IOException(e));
        }
    }

    /** Streams below this size are kept in another way, which the first readers can't follow (MS-CFB 2.2, mini stream cutoff). */
    private static byte[] padded(byte[] stream) { return stream.length >= 4096 ? stream : Arrays.copyOf(stream, 4096); }
}
