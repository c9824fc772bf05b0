package app.decant.format.binary;

import app.decant.document.Document;
import app.decant.format.PartedWords;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToIntFunction;

/** Puts stories, properties and tables where the file information block (MS-DOC 2.5.1) says they are. */
final class FileLayout {
    private static final int TEXT = 0x600;
    private static final int PAGE = 512;
    private static final int TABLES = 154;
    /** What properties of a paragraph may take on their page; longer ones go into the data stream (2.6.2, sprmPHugePapx). */
    private static final int MOST = 480;

    private final Document document;
    private final List<Story> stories;
    private final Story body;
    private final boolean template;
    private final Bytes table = new Bytes();
    private final Map<Integer, int[]> places = new LinkedHashMap<>();
    private List<Integer> sectionEnds;
    private List<byte[]> sectionProperties;
    private Drawings drawings;

    FileLayout(Document document, Story body, Story footnotes, Story headers, Story endnotes, boolean template) {
        this.document = document;
        this.body = body;
        this.stories = List.of(body, footnotes, headers, endnotes);
        this.template = template;
        // Readers take a table at the very beginning for none at all.
        table.zeros(16);
        fields();
        bookmarks();
    }

    /** Adds a table under its number in the information block. */
    private void put(int number, byte[] bytes) { put(number, bytes, bytes.length); }

    private void put(int number, byte[] bytes, int told) {
        if (bytes.length == 0) return;
        places.put(number, new int[] {table.size(), told});
        table.all(bytes);
    }

    void styles(byte[] bytes) { put(1, bytes); }

    void lists(byte[] patterns, byte[] levels, byte[] lists) {
        put(73, new Bytes().all(patterns).all(levels).toBytes(), patterns.length);
        put(74, lists);
    }

    void sections(List<Integer> ends, List<byte[]> properties) {
        sectionEnds = ends;
        sectionProperties = properties;
    }

    void headerStarts(List<Integer> starts) {
        if (starts.isEmpty()) return;
        Bytes bytes = new Bytes();
        for (int start : starts) bytes.four(start);
        put(11, bytes.four(stories.get(2).length()).toBytes());
    }

    void notes(Story from, List<Integer> footnoteStarts, List<Integer> endnoteStarts) {
        notes(2, 3, from.footnotes, footnoteStarts, stories.get(1).length());
        notes(46, 47, from.endnotes, endnoteStarts, stories.get(3).length());
    }

    private void notes(int references, int texts, List<Story.Reference> marks, List<Integer> starts, int length) {
        if (marks.isEmpty()) return;
        Bytes bytes = new Bytes();
        for (Story.Reference mark : marks) bytes.four(mark.at());
        bytes.four(body.length());
        for (Story.Reference mark : marks) bytes.two(mark.counted() ? 1 : 0);
        put(references, bytes.toBytes());
        Bytes places = new Bytes();
        for (int start : starts) places.four(start);
        put(texts, places.four(length).toBytes());
    }

    void drawings(Drawings all) { drawings = all; }

    private void fields() {
        int[] numbers = {16, 18, 17, 48};
        for (int i = 0; i < 4; i++) put(numbers[i], stories.get(i).fieldTable());
    }

    /** 2.9.278 names, 2.8.10 starts, 2.8.12 ends. Names have at most forty characters. */
    private void bookmarks() {
        List<String> names = new ArrayList<>(body.bookmarkStarts.keySet());
        names.removeIf(name -> name.length() > 40 || !body.bookmarkEnds.containsKey(name) || body.bookmarkEnds.get(name) < body.bookmarkStarts.get(name));
        if (names.isEmpty()) return;
        names.sort(Comparator.comparingInt(body.bookmarkStarts::get));
        List<String> byEnd = new ArrayList<>(names);
        byEnd.sort(Comparator.comparingInt(body.bookmarkEnds::get));
        Bytes table = new Bytes().two(0xFFFF).two(names.size()).two(0);
        for (String name : names) table.two(name.length()).text(name);
        put(21, table.toBytes());
        Bytes starts = new Bytes();
        for (String name : names) starts.four(body.bookmarkStarts.get(name));
        starts.four(total());
        for (String name : names) starts.two(byEnd.indexOf(name)).two(0);
        put(22, starts.toBytes());
        Bytes ends = new Bytes();
        for (String name : byEnd) ends.four(body.bookmarkEnds.get(name));
        put(23, ends.four(total()).toBytes());
    }

    private int total() {
        int sum = stories.stream().mapToInt(Story::length).sum();
        return sum > body.length() ? sum + 1 : sum;
    }

    byte[] table() { return table.toBytes(); }

    /** The stream of the document; the tables are complete after it. */
    byte[] finish(FontTable fonts, ToIntFunction<byte[]> data) {
        Bytes stream = new Bytes().zeros(TEXT);
        for (Story story : stories) stream.text(story.text.toString());
        boolean more = total() > body.length();
        if (more) stream.text("\r");
        stream.upTo(PAGE);
        int end = TEXT + 2 * total();
        FormattedPages letters = new FormattedPages(false, TEXT);
        FormattedPages paragraphs = new FormattedPages(true, TEXT);
        int before = TEXT;
        for (Story story : stories) {
            for (Story.Stretch one : story.letters) letters.add(before + 2 * one.end(), letters(one.properties()));
            for (Story.ParagraphStretch one : story.paragraphs) paragraphs.add(before + 2 * one.end(), paragraph(one, data));
            before += 2 * story.length();
        }
        if (more) {
            letters.add(end, new byte[0]);
            paragraphs.add(end, new byte[] {0, 1, 0, 0});
        }
        put(12, pages(stream, letters));
        put(13, pages(stream, paragraphs));
        sections(stream);
        put(15, fonts.toBytes());
        put(31, documentProperties());
        put(33, new Bytes().one(2).four(16).four(0).four(total()).two(0).four(TEXT).two(0).toBytes());
        anchored(stream);
        byte[] bytes = stream.toBytes();
        System.arraycopy(block(bytes.length), 0, bytes, 0, 900);
        return bytes;
    }

    private static byte[] letters(Properties properties) {
        byte[] own = properties.toBytes();
        if (own.length == 0) return new byte[0];
        if (own.length > 255) own = new byte[0];
        return new Bytes().one(own.length).all(own).toBytes();
    }

    /** 2.9.175, PapxInFkp: an odd number of bytes tells half of itself, an even one a zero first. */
    private static byte[] paragraph(Story.ParagraphStretch one, ToIntFunction<byte[]> data) {
        byte[] own = one.properties().toBytes();
        if (own.length > MOST) {
            int place = data.applyAsInt(new Bytes().two(own.length).all(own).toBytes());
            own = new Properties().four(0x6646, place).toBytes();
        }
        byte[] all = new Bytes().two(one.style()).all(own).toBytes();
        if (all.length % 2 == 1) return new Bytes().one((all.length + 1) / 2).all(all).toBytes();
        return new Bytes().one(0).one(all.length / 2).all(all).toBytes();
    }

    private static byte[] pages(Bytes stream, FormattedPages pages) {
        int first = stream.size() / PAGE;
        for (byte[] page : pages.pages()) stream.all(page);
        return pages.table(first);
    }

    /** 2.8.26: where sections end, and where their properties stand. */
    private void sections(Bytes stream) {
        Bytes bytes = new Bytes().four(0);
        for (int i = 0; i < sectionEnds.size(); i++) bytes.four(i == sectionEnds.size() - 1 ? body.length() : sectionEnds.get(i));
        for (byte[] properties : sectionProperties) {
            bytes.two(0).four(stream.size()).two(0).four(0xFFFFFFFFL);
            stream.two(properties.length).all(properties).upTo(2);
        }
        stream.upTo(PAGE);
        put(6, bytes.toBytes());
    }

    /** 2.8.37: what is anchored where, for the body and for headers. */
    private void anchored(Bytes stream) {
        if (drawings.isEmpty()) return;
        int[] numbers = {40, 41};
        Story[] from = {body, stories.get(2)};
        for (int i = 0; i < 2; i++) {
            if (from[i].anchored.isEmpty()) continue;
            Bytes bytes = new Bytes();
            for (Story.Anchored one : from[i].anchored) bytes.four(one.at());
            bytes.four(from[i].length());
            for (Story.Anchored one : from[i].anchored)
                bytes.four(one.shape()).four(one.left()).four(one.top()).four(one.right()).four(one.bottom()).two(one.flags()).four(0);
            put(numbers[i], bytes.toBytes());
        }
        int place = stream.size();
        stream.all(drawings.blips());
        put(50, drawings.content(place));
    }

    /** 2.7.1 and following, as the first version has them: notes at the foot of pages, widows kept, tab width, even and odd pages, words parted. */
    private byte[] documentProperties() {
        byte[] bytes = new byte[500];
        bytes[0] = (byte) ((document.evenAndOddFrames() ? 1 : 0) | 2 | 1 << 5);
        bytes[2] = 1 << 2;
        if (PartedWords.areIn(document)) bytes[5] = 1 << 4;
        int tab = LookProperties.twips(document.tabWidth());
        bytes[10] = (byte) tab;
        bytes[11] = (byte) (tab >> 8);
        bytes[14] = (byte) PartedWords.zone(document);
        bytes[15] = (byte) (PartedWords.zone(document) >> 8);
        bytes[16] = (byte) PartedWords.inRow(document);
        bytes[52] = 1 << 2;
        bytes[54] = 3;
        return bytes;
    }

    private byte[] block(int length) {
        Bytes block = new Bytes().two(0xA5EC).two(0x00C1).two(0).two(0x0409).two(0).two((template ? 1 : 0) | 0x0200 | 0x1000).two(0x00BF).four(0).one(0)
                .one(0).two(0).two(0).four(TEXT).four(TEXT + 2L * total());
        block.two(14).zeros(26).two(0x0409);
        block.two(22).four(length).four(0).four(0).four(body.length()).four(stories.get(1).length()).four(stories.get(2).length()).four(0).four(0)
                .four(stories.get(3).length()).four(0).four(0).zeros(44);
        block.two(93);
        for (int i = 0; i < 93; i++) {
            int[] place = places.getOrDefault(i, new int[] {0, 0});
            block.four(place[0]).four(place[1]);
        }
        return block.two(0).toBytes();
    }
}
