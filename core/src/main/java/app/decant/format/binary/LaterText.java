package app.decant.format.binary;

import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Numbering;
import app.decant.document.Picture;
import app.decant.document.Section.FramePlace;
import app.decant.document.TableProperty.Insets;
import app.decant.format.StoredFacts;
import app.decant.picture.PictureFile;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.model.CHPX;
import org.apache.poi.hwpf.model.DocumentProperties;
import org.apache.poi.hwpf.model.FileInformationBlock;
import org.apache.poi.hwpf.model.PAPX;
import org.apache.poi.hwpf.model.RevisionMarkAuthorTable;
import org.apache.poi.hwpf.model.SEPX;
import org.apache.poi.hwpf.model.StyleDescription;
import org.apache.poi.hwpf.model.StyleSheet;
import org.apache.poi.hwpf.model.SubdocumentType;
import org.apache.poi.hwpf.usermodel.Bookmark;
import org.apache.poi.hwpf.usermodel.Notes;

/** A file of the generation of 1997 to 2003: the common library finds its tables. */
final class LaterText implements StoredText {
    private static final List<FramePlace> FRAMES = List.of(FramePlace.EVEN_HEADER, FramePlace.HEADER, FramePlace.EVEN_FOOTER, FramePlace.FOOTER,
            FramePlace.FIRST_HEADER, FramePlace.FIRST_FOOTER);

    private final HWPFDocument file;
    private final List<Stretch> paragraphs = new ArrayList<>();
    private final List<Stretch> runs = new ArrayList<>();

    LaterText(HWPFDocument file) {
        this.file = file;
        for (PAPX one : file.getParagraphTable().getParagraphs())
            paragraphs.add(new Stretch(one.getStart(), one.getEnd(), one.getIstd(), Modifiers.in(one.getGrpprl(), 2)));
        for (CHPX one : file.getCharacterTable().getTextRuns()) runs.add(new Stretch(one.getStart(), one.getEnd(), 0, Modifiers.in(one.getGrpprl(), 0)));
    }

    @Override public CharSequence text() { return file.getText(); }
    @Override public List<Stretch> paragraphs() { return paragraphs; }
    @Override public List<Stretch> runs() { return runs; }

    @Override public List<Stretch> sections() {
        List<Stretch> sections = new ArrayList<>();
        for (SEPX one : file.getSectionTable().getSections()) sections.add(new Stretch(one.getStart(), one.getEnd(), 0, Modifiers.in(one.getGrpprl(), 0)));
        return sections;
    }

    @Override public int length(SubdocumentType part) { return file.getFileInformationBlock().getSubdocumentTextStreamLength(part); }

    @Override public List<StoredStyle> styles() {
        StyleSheet sheet = file.getStyleSheet();
        List<StoredStyle> styles = new ArrayList<>();
        for (int i = 0; i < sheet.numStyles(); i++) {
            StyleDescription told = sheet.getStyleDescription(i);
            styles.add(told == null ? null : new StoredStyle(told.getName(), told.getPAPX() != null, told.getBaseStyle(),
                    Modifiers.two(told.toByteArray(), 4) >> 4 & 0xFFF, Modifiers.in(told.getCHPX(), 0), Modifiers.in(told.getPAPX(), 2)));
        }
        return styles;
    }

    @Override public Numbering lists(LookReading looks) { return ListReading.of(file.getListTables(), looks); }

    @Override public String font(int number) {
        if (file.getFontTable() == null || number < 0 || number >= file.getFontTable().getFontNames().length) return null;
        String name = file.getFontTable().getMainFont(number);
        return name == null || name.isBlank() ? null : name;
    }

    @Override public String author(int number) {
        RevisionMarkAuthorTable authors = file.getRevisionMarkAuthorTable();
        String name = authors == null || number < 0 || number >= authors.getSize() ? null : authors.getAuthor(number);
        return name == null || name.equals("Unknown") ? "" : name;
    }

    @Override public List<StoredNote> footnotes() { return notes(file.getFootnotes(), start(SubdocumentType.FOOTNOTE)); }
    @Override public List<StoredNote> endnotes() { return notes(file.getEndnotes(), start(SubdocumentType.ENDNOTE)); }

    private static List<StoredNote> notes(Notes notes, int start) {
        List<StoredNote> all = new ArrayList<>();
        for (int i = 0; notes != null && i < notes.getNotesCount(); i++)
            all.add(new StoredNote(notes.getNoteAnchorPosition(i), start + notes.getNoteTextStartOffset(i), start + notes.getNoteTextEndOffset(i)));
        return all;
    }

    @Override public List<StoredMark> bookmarks() {
        List<StoredMark> marks = new ArrayList<>();
        for (int i = 0; file.getBookmarks() != null && i < file.getBookmarks().getBookmarksCount(); i++) {
            Bookmark bookmark = file.getBookmarks().getBookmark(i);
            // Damaged files have places without a name, to which nothing leads.
            if (bookmark.getName() != null) marks.add(new StoredMark(bookmark.getName(), bookmark.getStart(), bookmark.getEnd()));
        }
        return marks;
    }

    /** Six stories a section; the first six are separators of notes (2.8.8). */
    @Override public List<Map<FramePlace, int[]>> frames() {
        List<Map<FramePlace, int[]>> all = new ArrayList<>();
        FileInformationBlock block = file.getFileInformationBlock();
        int size = block.getPlcfHddSize();
        if (size < 4 || length(SubdocumentType.HEADER) == 0) return all;
        byte[] table = file.getTableStream();
        int start = start(SubdocumentType.HEADER);
        int count = size / 4;
        for (int first = 6; first + 6 < count; first += 6) {
            Map<FramePlace, int[]> frames = new EnumMap<>(FramePlace.class);
            for (int k = 0; k < 6; k++) {
                int from = Modifiers.four(table, block.getPlcfHddOffset() + 4 * (first + k));
                int to = Modifiers.four(table, block.getPlcfHddOffset() + 4 * (first + k + 1));
                // The last paragraph mark parts stories and is no text.
                if (to - 1 > from && to <= length(SubdocumentType.HEADER)) frames.put(FRAMES.get(k), new int[] {start + from, start + to - 1});
            }
            all.add(frames);
        }
        return all;
    }

    @Override public boolean facesPages() { return file.getDocProperties() != null && file.getDocProperties().isFFacingPages(); }
    @Override public double tabWidth() { return file.getDocProperties() == null ? 0 : file.getDocProperties().getDxaTab() / 20.0; }

    /** DopBase.fAutoHyphen, cConsecHypLim and dxaHotZ (2.7.2). */
    @Override public Parting parting() {
        DocumentProperties properties = file.getDocProperties();
        return properties == null || !properties.isFAutoHyphen() ? null : new Parting(properties.getCConsexHypLim(), properties.getDxaHotz() / 20.0);
    }

    @Override public Facts facts() {
        SummaryInformation summary = file.getSummaryInformation();
        Map<String, String> others = new HashMap<>();
        if (file.getDocumentSummaryInformation() != null && StoredFacts.text(file.getDocumentSummaryInformation().getCompany()) != null)
            others.put("Company", file.getDocumentSummaryInformation().getCompany());
        return StoredFacts.of(summary, others);
    }

    @Override public byte[] data() { return file.getDataStream(); }

    /** 2.9.192. */
    @Override public Picture picture(int place) {
        byte[] data = data();
        if (data == null || place < 0 || place + 68 > data.length) return null;
        org.apache.poi.hwpf.usermodel.Picture read = new org.apache.poi.hwpf.usermodel.Picture(place, data, true);
        byte[] told = read.getContent();
        if (told == null || told.length == 0) return null;
        byte[] bytes = PictureFile.withHeader(told);
        double width = read.getDxaGoal() / 20.0 * read.getHorizontalScalingFactor() / 1000.0;
        double height = read.getDyaGoal() / 20.0 * read.getVerticalScalingFactor() / 1000.0;
        Insets crop = new Insets(read.getCropTop() / 65536, read.getCropRight() / 65536, read.getCropBottom() / 65536, read.getCropLeft() / 65536);
        return new Picture(new Image(DrawingReading.type(read.getMimeType(), bytes), bytes), Math.max(1, width), Math.max(1, height),
                DrawingReading.sane(crop), 0, DrawingReading.blank(read.getDescription()));
    }

    @Override public DrawnThings drawn(DocReader reader, List<Finding> told) { return new FloatingShapes(file, reader, told)::at; }
}
