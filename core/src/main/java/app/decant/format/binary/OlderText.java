package app.decant.format.binary;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Numbering;
import app.decant.document.Picture;
import app.decant.document.Section.FramePlace;
import app.decant.document.TableProperty.Insets;
import app.decant.format.StoredFacts;
import app.decant.format.binary.Modifiers.Modifier;
import app.decant.picture.PictureFile;
import app.decant.words.Message;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.hwpf.model.SubdocumentType;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/**
 * A file of the generation of 1993 to 1995. Everything is in one stream; its head tells where ({@code fc}) and how long ({@code lcb}), as that of 1997 does
 * ([MS-DOC], 2.5) at other places, which are given from memory and were checked against files. What is said of its text is translated by
 * {@link OlderModifiers}.
 */
final class OlderText implements StoredText {
    private static final int LOCKED = 0x0100;
    private static final int PIECED = 0x0004;
    private static final int WIDE = 0x1000;
    private static final int LENGTHS = 0x34;
    private static final int STYLES = 0x60;
    private static final int FOOTNOTES = 0x68;
    private static final int FOOTNOTE_TEXTS = 0x70;
    private static final int SECTIONS = 0x88;
    private static final int HEADERS = 0xB0;
    private static final int FONTS = 0xD0;
    private static final int MARK_NAMES = 0x100;
    private static final int MARK_STARTS = 0x108;
    private static final int MARK_ENDS = 0x110;
    private static final int PROPERTIES = 0x150;
    private static final int ENDNOTES = 0x1D2;
    private static final int ENDNOTE_TEXTS = 0x1DA;
    private static final int AUTHORS = 0x1FA;
    /** The head of a picture: how long all is, how long the head; the kind at 6, sizes from 28 in twentieths of a point, thousandths and cuts. */
    private static final int PICTURE_HEAD = 58;
    private static final int METAFILE = 8;
    /** Stories by the bits that say which of them a section has. */
    private static final List<FramePlace> FRAMES = List.of(FramePlace.EVEN_HEADER, FramePlace.HEADER, FramePlace.EVEN_FOOTER, FramePlace.FOOTER,
            FramePlace.FIRST_HEADER, FramePlace.FIRST_FOOTER);

    private final byte[] main;
    private final Facts facts;
    private final OlderFonts fonts;
    private final OlderStyles styles;
    private final OlderPieces pieces;
    private final OlderLists lists;
    private final CharSequence text;
    private final List<Stretch> paragraphs;
    private final List<Stretch> runs;
    private final List<Finding> findings = new ArrayList<>();

    private OlderText(byte[] main, Facts facts) {
        this.main = main;
        this.facts = facts;
        fonts = new OlderFonts(part(FONTS), main[0x12] == 1);
        styles = new OlderStyles(part(STYLES), fonts);
        int flags = Modifiers.two(main, 0x0A);
        pieces = new OlderPieces(main, (flags & PIECED) != 0, (flags & WIDE) != 0, SubdocumentType.ORDERED.stream().mapToInt(this::length).sum());
        List<Stretch> told = pieces.paragraphs();
        List<Stretch> letters = pieces.runs();
        text = new OlderLetters(pieces, fonts, styles).text(told, letters);
        runs = new ArrayList<>();
        for (Stretch one : letters) runs.add(new Stretch(one.from(), one.to(), 0, OlderModifiers.newer(one.modifiers())));
        lists = new OlderLists(fonts, styles, toldSections());
        paragraphs = lists.listed(told);
        if (length(SubdocumentType.ANNOTATION) > 0) findings.add(Finding.lost(Message.of("binary.older-comments")));
    }

    /** @throws DecantException where it is locked, which in this generation was a riddle with a key of two bytes */
    static OlderText of(POIFSFileSystem container, String name) throws IOException {
        byte[] main;
        try (InputStream in = container.createDocumentInputStream("WordDocument")) {
            main = in.readAllBytes();
        }
        if ((Modifiers.two(main, 0x0A) & LOCKED) != 0) throw new DecantException(Kind.UNSUPPORTED, Message.of("binary.old-lock", name));
        return new OlderText(Arrays.copyOf(main, Math.max(main.length, 0x300)), StoredFacts.in(container.getRoot()));
    }

    List<Finding> findings() { return findings; }

    /** What the head says stands somewhere; nothing where it points outside. */
    byte[] part(int at) {
        int from = Modifiers.four(main, at);
        int length = Modifiers.four(main, at + 4);
        return from <= 0 || length <= 0 || from > main.length - length ? new byte[0] : Arrays.copyOfRange(main, from, from + length);
    }

    @Override public CharSequence text() { return text; }
    @Override public List<Stretch> paragraphs() { return paragraphs; }
    @Override public List<Stretch> runs() { return runs; }
    @Override public int length(SubdocumentType part) { return Math.max(0, Modifiers.four(main, LENGTHS + 4 * SubdocumentType.ORDERED.indexOf(part))); }
    @Override public List<StoredStyle> styles() { return styles.all(); }
    @Override public Numbering lists(LookReading looks) { return lists.numbering(); }
    @Override public String font(int number) { return fonts.family(number); }
    @Override public Facts facts() { return facts; }
    @Override public byte[] data() { return main; }

    /** Each section's end, then twelve bytes of which four say where what is said of it stands, its length before it. */
    @Override public List<Stretch> sections() {
        List<Stretch> sections = new ArrayList<>();
        for (Stretch one : toldSections()) sections.add(new Stretch(one.from(), one.to(), 0, OlderModifiers.newer(one.modifiers())));
        return sections;
    }

    private List<Stretch> toldSections() {
        byte[] table = part(SECTIONS);
        int count = Math.max(0, (table.length - 4) / 16);
        List<Stretch> sections = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int place = Modifiers.four(table, 4 * (count + 1) + 12 * i + 2);
            int length = place < 0 || place > main.length - 2 ? 0 : Modifiers.two(main, place);
            List<Modifier> modifiers = length == 0 || place + 2 + length > main.length ? List.of()
                    : OlderModifiers.in(Arrays.copyOfRange(main, place + 2, place + 2 + length), 0);
            sections.add(new Stretch(Modifiers.four(table, 4 * i), Modifiers.four(table, 4 * i + 4), 0, modifiers));
        }
        return sections;
    }

    @Override public String author(int number) {
        List<String> names = names(part(AUTHORS));
        return number < 0 || number >= names.size() || names.get(number).equals("Unknown") ? "" : names.get(number);
    }

    /** Words one after another, each after its length, all after the length of all. */
    private List<String> names(byte[] told) {
        List<String> names = new ArrayList<>();
        Charset letters = fonts.usual();
        for (int at = 2; at < told.length; at += 1 + (told[at] & 0xFF))
            names.add(new String(told, at + 1, Math.min(told[at] & 0xFF, told.length - at - 1), letters));
        return names;
    }

    @Override public List<StoredNote> footnotes() { return notes(part(FOOTNOTES), part(FOOTNOTE_TEXTS), SubdocumentType.FOOTNOTE); }
    @Override public List<StoredNote> endnotes() { return notes(part(ENDNOTES), part(ENDNOTE_TEXTS), SubdocumentType.ENDNOTE); }

    private List<StoredNote> notes(byte[] signs, byte[] texts, SubdocumentType part) {
        List<StoredNote> notes = new ArrayList<>();
        int count = Math.max(0, (signs.length - 4) / 6);
        int start = start(part);
        for (int i = 0; i < count; i++) {
            int from = Modifiers.four(texts, 4 * i);
            int to = Modifiers.four(texts, 4 * i + 4);
            if (from >= 0 && to > from && to <= length(part)) notes.add(new StoredNote(Modifiers.four(signs, 4 * i), start + from, start + to));
        }
        return notes;
    }

    @Override public List<StoredMark> bookmarks() {
        List<String> names = names(part(MARK_NAMES));
        byte[] starts = part(MARK_STARTS);
        byte[] ends = part(MARK_ENDS);
        int count = Math.min(names.size(), Math.max(0, (starts.length - 4) / 8));
        List<StoredMark> marks = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int end = Modifiers.four(ends, 4 * Modifiers.two(starts, 4 * (count + 1) + 4 * i));
            if (!names.get(i).isBlank()) marks.add(new StoredMark(names.get(i), Modifiers.four(starts, 4 * i), Math.max(Modifiers.four(starts, 4 * i), end)));
        }
        return marks;
    }

    /** Stories stand only where the file, for the lines above notes, and each section say that they have them. */
    @Override public List<Map<FramePlace, int[]>> frames() {
        byte[] table = part(HEADERS);
        int start = start(SubdocumentType.HEADER);
        int at = Integer.bitCount(properties()[1] & 0xFF);
        List<Map<FramePlace, int[]>> all = new ArrayList<>();
        for (Stretch section : toldSections()) {
            int said = section.modifiers().stream().filter(one -> one.code() == OlderModifiers.STORIES).mapToInt(Modifier::one).findFirst().orElse(0);
            Map<FramePlace, int[]> frames = new EnumMap<>(FramePlace.class);
            for (int k = 0; k < FRAMES.size(); k++) {
                if ((said >> k & 1) == 0) continue;
                int from = Modifiers.four(table, 4 * at);
                int to = 4 * at + 8 > table.length ? 0 : Modifiers.four(table, 4 * at + 4);
                at++;
                // The last paragraph mark parts stories and is no text.
                if (from >= 0 && to - 1 > from && to <= length(SubdocumentType.HEADER)) frames.put(FRAMES.get(k), new int[] {start + from, start + to - 1});
            }
            all.add(frames);
        }
        return all;
    }

    private byte[] properties() {
        byte[] told = part(PROPERTIES);
        return told.length < 12 ? new byte[12] : told;
    }

    @Override public boolean facesPages() { return (properties()[0] & 1) != 0; }
    @Override public double tabWidth() { return Modifiers.two(properties(), 10) / 20.0; }
    @Override public Parting parting() { return null; }

    @Override public Picture picture(int place) {
        if (place < 0 || place + PICTURE_HEAD > main.length) return null;
        int length = Modifiers.four(main, place);
        int head = Modifiers.two(main, place + 4);
        int kind = Modifiers.two(main, place + 6);
        if (length <= head || head < PICTURE_HEAD || place > main.length - length) return null;
        if (kind != METAFILE) {
            findings.add(Finding.lost(Message.of("binary.a-picture-cannot-be-read")));
            return null;
        }
        byte[] shown = PictureFile.withHeader(Arrays.copyOfRange(main, place + head, place + length));
        double width = Modifiers.two(main, place + 28) / 20.0 * Modifiers.two(main, place + 32) / 1000.0;
        double height = Modifiers.two(main, place + 30) / 20.0 * Modifiers.two(main, place + 34) / 1000.0;
        return new Picture(new Image(DrawingReading.type("image/x-wmf", shown), shown), Math.max(1, width), Math.max(1, height),
                DrawingReading.sane(new Insets(cut(place, 38, 30), cut(place, 40, 28), cut(place, 42, 30), cut(place, 36, 28))), 0, null);
    }

    /** What share of a side is cut off at one end. */
    private double cut(int place, int end, int side) {
        return (short) Modifiers.two(main, place + end) / (double) Math.max(1, Modifiers.two(main, place + side));
    }

    @Override public DrawnThings drawn(DocReader reader, List<Finding> told) { return new OlderDrawings(this, reader, told)::at; }
}
