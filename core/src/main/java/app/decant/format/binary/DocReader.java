package app.decant.format.binary;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.format.AutomaticSpace;
import app.decant.format.PartedWords;
import app.decant.format.Taken;
import app.decant.format.binary.Modifiers.Modifier;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.hpsf.SummaryInformation;
import org.apache.poi.hssf.record.crypto.Biff8EncryptionKey;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.OldWordFileFormatException;
import org.apache.poi.hwpf.extractor.Word6Extractor;
import org.apache.poi.hwpf.model.CHPX;
import org.apache.poi.hwpf.model.DocumentProperties;
import org.apache.poi.hwpf.model.FileInformationBlock;
import org.apache.poi.hwpf.model.PAPX;
import org.apache.poi.hwpf.model.PropertyNode;
import org.apache.poi.hwpf.model.RevisionMarkAuthorTable;
import org.apache.poi.hwpf.model.SEPX;
import org.apache.poi.hwpf.model.StyleDescription;
import org.apache.poi.hwpf.model.SubdocumentType;
import org.apache.poi.hwpf.usermodel.Bookmark;
import org.apache.poi.hwpf.usermodel.Notes;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/**
 * Reads binary text documents of the 1997-2003 generation (MS-DOC). The common library finds text, properties and tables; what they mean is read here.
 * Of the generation before, the text comes in.
 */
public final class DocReader {
    private static final int TABLES = 154;
    private static final List<FramePlace> FRAMES = List.of(FramePlace.EVEN_HEADER, FramePlace.HEADER, FramePlace.EVEN_FOOTER, FramePlace.FOOTER,
            FramePlace.FIRST_HEADER, FramePlace.FIRST_FOOTER);

    private final HWPFDocument file;
    private final CharSequence text;
    private final List<PAPX> paragraphs;
    private final List<CHPX> runs;
    private final LookReading looks;
    private CommentReading comments = new CommentReading();
    private final DrawingReading drawings;
    private final FloatingShapes shapes;
    private final List<Finding> findings = new ArrayList<>();
    private final Map<Integer, String> styleIds = new HashMap<>();
    private final Map<Integer, List<Inline.BookmarkPoint>> bookmarks = new HashMap<>();
    private final Map<Integer, Integer> footnotes = new HashMap<>();
    private final Map<Integer, Integer> endnotes = new HashMap<>();
    private Cascade cascade;
    private Numbering numbering = Numbering.NONE;

    private DocReader(HWPFDocument file) {
        this.file = file;
        text = file.getText();
        paragraphs = file.getParagraphTable().getParagraphs();
        runs = file.getCharacterTable().getTextRuns();
        looks = new LookReading(this::font, styleIds::get, this::author, parts());
        drawings = new DrawingReading(file, findings);
        shapes = new FloatingShapes(file, this, findings);
    }

    /**
     * Reads a file.
     *
     * @param name     what people call it, for sentences
     * @param password for protected files, or null
     * @throws DecantException where it can't be read
     */
    public static Taken read(byte[] bytes, String name, String password, Progress progress) {
        Biff8EncryptionKey.setCurrentUserPassword(password);
        try (POIFSFileSystem container = new POIFSFileSystem(new ByteArrayInputStream(bytes))) {
            return new DocReader(new HWPFDocument(container)).document(progress);
        } catch (OldWordFileFormatException e) {
            return older(bytes, name);
        } catch (EncryptedDocumentException e) {
            if (password == null) throw new DecantException(Kind.NEEDS_PASSWORD, Message.of("format.is-protected-by-a-password-to-open", name), e);
            throw new DecantException(Kind.NEEDS_PASSWORD, Message.of("format.this-is-not-the-password-of-look", name), e);
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told) throw told;
            throw new DecantException(Kind.UNREADABLE, Message.of("binary.is-damaged-and-cannot-be-opened", name), e);
        } finally {
            Biff8EncryptionKey.setCurrentUserPassword(null);
        }
    }

    private static Taken older(byte[] bytes, String name) {
        try (Word6Extractor extractor = new Word6Extractor(new ByteArrayInputStream(bytes))) {
            List<Block> blocks = new ArrayList<>();
            for (String line : extractor.getText().split("\r\n|\r|\n")) blocks.add(Paragraph.of(line.replaceAll("[\\x00-\\x08\\x0B-\\x1F]", "")));
            Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(blocks)));
            return new Taken(document, List.of(Finding.lost(Message.of("binary.the-file-is-of-the-generation-before"))));
        } catch (IOException | RuntimeException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("binary.is-of-the-generation-before-1997", name), e);
        }
    }

    CharSequence text() { return text; }
    LookReading looks() { return looks; }
    DrawingReading drawings() { return drawings; }
    FloatingShapes shapes() { return shapes; }
    CommentReading comments() { return comments; }

    /** Who is meant by a number among those who revised, or empty. */
    private String author(int number) {
        RevisionMarkAuthorTable authors = file.getRevisionMarkAuthorTable();
        String name = authors == null || number < 0 || number >= authors.getSize() ? null : authors.getAuthor(number);
        return name == null || name.equals("Unknown") ? "" : name;
    }

    String style(int number) { return styleIds.get(number); }
    String list(int number) { return numbering.lists().containsKey(String.valueOf(number)) ? String.valueOf(number) : null; }
    List<Inline.BookmarkPoint> bookmarksAt(int at) { return bookmarks.getOrDefault(at, List.of()); }

    /** Tells something once, however often it is met. */
    void tellOnce(Finding finding) { if (!findings.contains(finding)) findings.add(finding); }

    String font(int number) {
        if (file.getFontTable() == null || number < 0 || number >= file.getFontTable().getFontNames().length) return null;
        String name = file.getFontTable().getMainFont(number);
        return name == null || name.isBlank() ? null : name;
    }

    List<PAPX> paragraphs(int from, int to) { return between(paragraphs, from, to); }
    List<CHPX> runs(int from, int to) { return between(runs, from, to); }

    /** Those that share something with a stretch; they stand in order. */
    private static <T extends PropertyNode<?>> List<T> between(List<T> all, int from, int to) {
        int low = 0;
        int high = all.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (all.get(middle).getEnd() <= from) low = middle + 1;
            else high = middle;
        }
        int end = low;
        while (end < all.size() && all.get(end).getStart() < to) end++;
        return all.subList(low, end);
    }

    private int length(SubdocumentType part) { return file.getFileInformationBlock().getSubdocumentTextStreamLength(part); }

    private int start(SubdocumentType part) {
        int start = 0;
        for (SubdocumentType one : SubdocumentType.ORDERED) {
            if (one == part) return start;
            start += length(one);
        }
        return start;
    }

    boolean isInBody(int at) { return at < length(SubdocumentType.MAIN); }
    boolean isInHeaders(int at) { return at >= headersStart() && at < headersStart() + length(SubdocumentType.HEADER); }
    int headersStart() { return start(SubdocumentType.HEADER); }
    int textBoxesStart() { return start(SubdocumentType.TEXTBOX); }
    int headerTextBoxesStart() { return start(SubdocumentType.HEADER_TEXTBOX); }

    /** Whether the file is of a generation that has a table of this number (2.5.5, cbRgFcLcb). */
    boolean hasTable(int number) { return Modifiers.two(file.getMainStream(), TABLES - 2) > number; }

    /** Where a table stands in the table stream, and how long it is. */
    int[] place(int number) {
        byte[] main = file.getMainStream();
        return new int[] {Modifiers.four(main, TABLES + 8 * number), Modifiers.four(main, TABLES + 8 * number + 4)};
    }

    /** The note that a sign stands for in the body, or in a note its own mark. */
    Inline note(int at, Look look) {
        Integer foot = footnotes.get(at);
        if (foot != null) return note(file.getFootnotes(), foot, start(SubdocumentType.FOOTNOTE), Inline.Note.Kind.FOOTNOTE, look);
        Integer end = endnotes.get(at);
        if (end != null) return note(file.getEndnotes(), end, start(SubdocumentType.ENDNOTE), Inline.Note.Kind.ENDNOTE, look);
        return new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "", look);
    }

    private Inline note(Notes notes, int index, int start, Inline.Note.Kind kind, Look look) {
        List<Block> blocks = new BodyReading(this).blocks(start + notes.getNoteTextStartOffset(index), start + notes.getNoteTextEndOffset(index));
        return new Inline.Note(kind, blocks, null, look);
    }

    private Taken document(Progress progress) {
        StyleSheet styles = styles();
        numbering = ListReading.of(file.getListTables(), looks);
        // Once more, now that lists are known.
        styles = styles();
        cascade = new Cascade(styles, numbering);
        anchors();
        int remarks = start(SubdocumentType.ANNOTATION);
        if (length(SubdocumentType.ANNOTATION) > 0)
            comments = new CommentReading(this, file.getTableStream(), remarks, remarks + length(SubdocumentType.ANNOTATION));
        List<Map<FramePlace, List<Block>>> frames = frames();
        List<Section> sections = new ArrayList<>();
        List<SEPX> all = file.getSectionTable().getSections();
        int body = length(SubdocumentType.MAIN);
        for (int i = 0; i < all.size(); i++) {
            progress.step(i, all.size(), Message.of("step.reading"));
            int from = all.get(i).getStart();
            int to = i == all.size() - 1 ? body : Math.min(body, all.get(i).getEnd());
            if (from >= to && i > 0) continue;
            List<Block> blocks = new BodyReading(this).blocks(from, to);
            sections.add(SectionReading.of(Modifiers.in(all.get(i).getGrpprl(), 0), i < frames.size() ? frames.get(i) : Map.of(), blocks.isEmpty()
                    ? List.of(Paragraph.of("")) : blocks));
        }
        if (sections.isEmpty()) sections.add(Section.PLAIN.withBlocks(new BodyReading(this).blocks(0, body)));
        boolean even = file.getDocProperties() != null && file.getDocProperties().isFFacingPages();
        double tab = file.getDocProperties() == null || file.getDocProperties().getDxaTab() <= 0 ? Document.TAB_WIDTH : file.getDocProperties()
                .getDxaTab() / 20.0;
        return new Taken(AutomaticSpace.between(new Document(facts(), styles, numbering, sections, even, tab, List.of())), findings);
    }

    /** What the styles of a run say of its letters: that of its paragraph, and its own. */
    Look styled(int paragraph, List<Modifier> modifiers) {
        Look own = Look.PLAIN;
        for (Modifier one : modifiers) if (one.code() == 0x4A30) own = own.with(TextProperty.STYLE, styleIds.get(one.two()));
        return cascade.text(new Paragraph(style(paragraph), Look.PLAIN, Look.PLAIN, List.of()), own);
    }

    private StyleSheet styles() {
        Map<String, Style> styles = new LinkedHashMap<>();
        org.apache.poi.hwpf.model.StyleSheet sheet = file.getStyleSheet();
        styleIds.clear();
        for (int i = 0; i < sheet.numStyles(); i++) if (sheet.getStyleDescription(i) != null) styleIds.put(i, id(i, sheet.getStyleDescription(i).getName()));
        for (int i = 0; i < sheet.numStyles(); i++) {
            StyleDescription told = sheet.getStyleDescription(i);
            if (told == null) continue;
            boolean paragraph = told.getPAPX() != null;
            Look look = looks.text(Modifiers.in(told.getCHPX(), 0)).without(TextProperty.STYLE);
            if (paragraph) look = look.over(looks.paragraph(Modifiers.in(told.getPAPX(), 2), this::list));
            String parent = told.getBaseStyle() == i ? null : styleIds.get(told.getBaseStyle());
            int next = Modifiers.two(told.toByteArray(), 4) >> 4 & 0xFFF;
            String id = styleIds.get(i);
            styles.put(id, new Style(id, name(told.getName()), paragraph ? Style.Kind.PARAGRAPH : Style.Kind.CHARACTER, parent, next == i || !paragraph
                    ? null : styleIds.get(next), look));
        }
        String family = font(0) == null ? "Times New Roman" : font(0);
        StyleSheet made = new StyleSheet(Look.of(TextProperty.FAMILY, family).with(TextProperty.SIZE, 10.0), styleIds.get(0), null, styles);
        DocumentProperties properties = file.getDocProperties();
        return parts() ? PartedWords.parted(made, properties.getCConsexHypLim(), properties.getDxaHotz() / 20.0) : made;
    }

    /** Whether the file parts words at the ends of lines (DopBase.fAutoHyphen, 2.7.2). */
    private boolean parts() { return file.getDocProperties() != null && file.getDocProperties().isFAutoHyphen(); }

    /** Other names of a style follow a comma. */
    private static String name(String told) { return told == null ? "" : told.split(",", 2)[0]; }

    private String id(int number, String told) {
        StringBuilder id = new StringBuilder();
        for (String word : name(told).split("[^\\p{L}\\p{N}]+"))
            if (!word.isEmpty()) id.append(word.substring(0, 1).toUpperCase(Locale.ROOT)).append(word.substring(1));
        String plain = id.isEmpty() ? "Style" + number : id.toString();
        return styleIds.containsValue(plain) ? plain + number : plain;
    }

    private void anchors() {
        notes(file.getFootnotes(), footnotes);
        notes(file.getEndnotes(), endnotes);
        for (int i = 0; file.getBookmarks() != null && i < file.getBookmarks().getBookmarksCount(); i++) {
            Bookmark bookmark = file.getBookmarks().getBookmark(i);
            // Damaged files have places without a name, to which nothing leads.
            if (bookmark.getName() == null) continue;
            bookmarks.computeIfAbsent(bookmark.getStart(), at -> new ArrayList<>()).add(new Inline.BookmarkPoint(bookmark.getName(), true));
            bookmarks.computeIfAbsent(bookmark.getEnd(), at -> new ArrayList<>()).add(new Inline.BookmarkPoint(bookmark.getName(), false));
        }
    }

    private static void notes(Notes notes, Map<Integer, Integer> at) {
        for (int i = 0; notes != null && i < notes.getNotesCount(); i++) at.put(notes.getNoteAnchorPosition(i), i);
    }

    /** The headers and footers of each section; empty ones are those of the section before. */
    private List<Map<FramePlace, List<Block>>> frames() {
        List<Map<FramePlace, List<Block>>> all = new ArrayList<>();
        FileInformationBlock block = file.getFileInformationBlock();
        int size = block.getPlcfHddSize();
        if (size < 4 || length(SubdocumentType.HEADER) == 0) return all;
        byte[] table = file.getTableStream();
        int count = size / 4;
        for (int first = 6; first + 6 < count; first += 6) {
            Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
            for (int k = 0; k < 6; k++) {
                int from = Modifiers.four(table, block.getPlcfHddOffset() + 4 * (first + k));
                int to = Modifiers.four(table, block.getPlcfHddOffset() + 4 * (first + k + 1));
                // The last paragraph mark parts stories and is no text.
                if (to - 1 > from && to <= length(SubdocumentType.HEADER))
                    frames.put(FRAMES.get(k), new BodyReading(this).blocks(headersStart() + from, headersStart() + to - 1));
            }
            all.add(frames);
        }
        return all;
    }

    private Facts facts() {
        SummaryInformation summary = file.getSummaryInformation();
        if (summary == null) return Facts.NONE;
        Map<String, String> others = new HashMap<>();
        if (file.getDocumentSummaryInformation() != null && text(file.getDocumentSummaryInformation().getCompany()) != null)
            others.put("Company", file.getDocumentSummaryInformation().getCompany());
        return new Facts(text(summary.getTitle()), text(summary.getSubject()), text(summary.getAuthor()), text(summary.getKeywords()), null,
                summary.getCreateDateTime() == null ? null : summary.getCreateDateTime().toInstant(), summary.getLastSaveDateTime() == null ? null
                        : summary.getLastSaveDateTime().toInstant(), others);
    }

    private static String text(String told) { return told == null || told.isBlank() ? null : told; }
}
