package app.decant.format.binary;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Document;
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
import app.decant.format.binary.StoredText.StoredMark;
import app.decant.format.binary.StoredText.StoredNote;
import app.decant.format.binary.StoredText.StoredStyle;
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
import java.util.stream.Stream;
import org.apache.poi.EncryptedDocumentException;
import org.apache.poi.hssf.record.crypto.Biff8EncryptionKey;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.OldWordFileFormatException;
import org.apache.poi.hwpf.model.SubdocumentType;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/**
 * Reads binary text documents of the 1997-2003 generation (MS-DOC). The common library finds text, properties and tables; what they mean is read here.
 * Those of 1993 to 1995 are made such ones first ({@link OlderText}).
 */
public final class DocReader {
    private static final int TABLES = 154;

    private final StoredText stored;
    private final CharSequence text;
    private final LookReading looks;
    private final DrawingReading drawings;
    private final List<Finding> findings = new ArrayList<>();
    private final Map<Integer, String> styleIds = new HashMap<>();
    private final Map<Integer, List<Inline.BookmarkPoint>> bookmarks = new HashMap<>();
    private final Map<Integer, StoredNote> footnotes = new HashMap<>();
    private final Map<Integer, StoredNote> endnotes = new HashMap<>();
    /** The tables of the later generation, which alone has a stream of its own for them; otherwise null. */
    private final HWPFDocument file;
    private final StoredText.DrawnThings drawn;
    private CommentReading comments = new CommentReading();
    private Cascade cascade;
    private Numbering numbering = Numbering.NONE;

    private DocReader(StoredText stored, HWPFDocument file) {
        this.stored = stored;
        this.file = file;
        text = stored.text();
        looks = new LookReading(stored::font, styleIds::get, stored::author, stored.parting() != null);
        drawings = new DrawingReading(stored, findings);
        drawn = stored.drawn(this, findings);
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
            HWPFDocument file = new HWPFDocument(container);
            return new DocReader(new LaterText(file), file).document(progress);
        } catch (OldWordFileFormatException e) {
            return older(bytes, name, progress);
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

    private static Taken older(byte[] bytes, String name, Progress progress) {
        try (POIFSFileSystem container = new POIFSFileSystem(new ByteArrayInputStream(bytes))) {
            OlderText older = OlderText.of(container, name);
            Taken taken = new DocReader(older, null).document(progress);
            return new Taken(taken.document(), Stream.concat(older.findings().stream(), taken.findings().stream()).toList());
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told) throw told;
            throw new DecantException(Kind.UNREADABLE, Message.of("binary.is-of-the-generation-before-1997", name), e);
        }
    }

    CharSequence text() { return text; }
    LookReading looks() { return looks; }
    DrawingReading drawings() { return drawings; }
    StoredText.DrawnThings drawn() { return drawn; }
    CommentReading comments() { return comments; }

    String style(int number) { return styleIds.get(number); }
    String list(int number) { return numbering.lists().containsKey(String.valueOf(number)) ? String.valueOf(number) : null; }
    List<Inline.BookmarkPoint> bookmarksAt(int at) { return bookmarks.getOrDefault(at, List.of()); }

    /** Tells something once, however often it is met. */
    void tellOnce(Finding finding) { if (!findings.contains(finding)) findings.add(finding); }

    String font(int number) { return stored.font(number); }
    List<Stretch> paragraphs(int from, int to) { return Stretch.between(stored.paragraphs(), from, to); }
    List<Stretch> runs(int from, int to) { return Stretch.between(stored.runs(), from, to); }

    private int length(SubdocumentType part) { return stored.length(part); }
    private int start(SubdocumentType part) { return stored.start(part); }
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
        StoredNote foot = footnotes.get(at);
        StoredNote end = endnotes.get(at);
        if (foot == null && end == null) return new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "", look);
        StoredNote note = foot == null ? end : foot;
        List<Block> blocks = new BodyReading(this).blocks(note.from(), note.to());
        return new Inline.Note(foot == null ? Inline.Note.Kind.ENDNOTE : Inline.Note.Kind.FOOTNOTE, blocks, null, look);
    }

    private Taken document(Progress progress) {
        StyleSheet styles = styles();
        numbering = stored.lists(looks);
        // Once more, now that lists are known.
        styles = styles();
        cascade = new Cascade(styles, numbering);
        anchors();
        int remarks = start(SubdocumentType.ANNOTATION);
        if (file != null && length(SubdocumentType.ANNOTATION) > 0)
            comments = new CommentReading(this, file.getTableStream(), remarks, remarks + length(SubdocumentType.ANNOTATION));
        List<Map<FramePlace, List<Block>>> frames = frames();
        List<Section> sections = new ArrayList<>();
        List<Stretch> all = stored.sections();
        int body = length(SubdocumentType.MAIN);
        for (int i = 0; i < all.size(); i++) {
            progress.step(i, all.size(), Message.of("step.reading"));
            int from = all.get(i).from();
            int to = i == all.size() - 1 ? body : Math.min(body, all.get(i).to());
            if (from >= to && i > 0) continue;
            List<Block> blocks = new BodyReading(this).blocks(from, to);
            sections.add(SectionReading.of(all.get(i).modifiers(), i < frames.size() ? frames.get(i) : Map.of(), blocks.isEmpty()
                    ? List.of(Paragraph.of("")) : blocks));
        }
        if (sections.isEmpty()) sections.add(Section.PLAIN.withBlocks(new BodyReading(this).blocks(0, body)));
        double tab = stored.tabWidth() <= 0 ? Document.TAB_WIDTH : stored.tabWidth();
        return new Taken(AutomaticSpace.between(new Document(stored.facts(), styles, numbering, sections, stored.facesPages(), tab, List.of())), findings);
    }

    /** What the styles of a run say of its letters: that of its paragraph, and its own. */
    Look styled(int paragraph, List<Modifier> modifiers) {
        Look own = Look.PLAIN;
        for (Modifier one : modifiers) if (one.code() == 0x4A30) own = own.with(TextProperty.STYLE, styleIds.get(one.two()));
        return cascade.text(new Paragraph(style(paragraph), Look.PLAIN, Look.PLAIN, List.of()), own);
    }

    private StyleSheet styles() {
        Map<String, Style> styles = new LinkedHashMap<>();
        List<StoredStyle> all = stored.styles();
        styleIds.clear();
        for (int i = 0; i < all.size(); i++) if (all.get(i) != null) styleIds.put(i, id(i, all.get(i).name()));
        for (int i = 0; i < all.size(); i++) {
            StoredStyle told = all.get(i);
            if (told == null) continue;
            Look look = looks.text(told.letters()).without(TextProperty.STYLE);
            if (told.paragraph()) look = look.over(looks.paragraph(told.paragraphs(), this::list));
            String parent = told.parent() == i ? null : styleIds.get(told.parent());
            String id = styleIds.get(i);
            styles.put(id, new Style(id, name(told.name()), told.paragraph() ? Style.Kind.PARAGRAPH : Style.Kind.CHARACTER, parent,
                    told.next() == i || !told.paragraph() ? null : styleIds.get(told.next()), look));
        }
        String family = font(0) == null ? "Times New Roman" : font(0);
        StyleSheet made = new StyleSheet(Look.of(TextProperty.FAMILY, family).with(TextProperty.SIZE, 10.0), styleIds.get(0), null, styles);
        StoredText.Parting parting = stored.parting();
        return parting == null ? made : PartedWords.parted(made, parting.most(), parting.zone());
    }

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
        for (StoredNote note : stored.footnotes()) footnotes.put(note.at(), note);
        for (StoredNote note : stored.endnotes()) endnotes.put(note.at(), note);
        for (StoredMark mark : stored.bookmarks()) {
            bookmarks.computeIfAbsent(mark.from(), at -> new ArrayList<>()).add(new Inline.BookmarkPoint(mark.name(), true));
            bookmarks.computeIfAbsent(mark.to(), at -> new ArrayList<>()).add(new Inline.BookmarkPoint(mark.name(), false));
        }
    }

    /** The headers and footers of each section; empty ones are those of the section before. */
    private List<Map<FramePlace, List<Block>>> frames() {
        List<Map<FramePlace, List<Block>>> all = new ArrayList<>();
        for (Map<FramePlace, int[]> section : stored.frames()) {
            Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
            section.forEach((place, range) -> frames.put(place, new BodyReading(this).blocks(range[0], range[1])));
            all.add(frames);
        }
        return all;
    }
}
