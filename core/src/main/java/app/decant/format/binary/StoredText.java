package app.decant.format.binary;

import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Picture;
import app.decant.document.Section.FramePlace;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.List;
import java.util.Map;
import org.apache.poi.hwpf.model.SubdocumentType;

/**
 * What a binary text document stores, whichever generation wrote it: one text in which the body, notes, headers and the rest follow each other, and tables
 * that tell of stretches of it. All modifiers are those of the generation of 1997 ([MS-DOC], 2.6).
 */
interface StoredText {
    /** A style as stored. @param paragraph whether it is one of paragraphs; modifiers of characters' styles tell of letters only */
    record StoredStyle(String name, boolean paragraph, int parent, int next, List<Modifier> letters, List<Modifier> paragraphs) { }

    /** A note: the place of its sign, and where its words stand in the whole text. */
    record StoredNote(int at, int from, int to) { }

    /** A bookmark. */
    record StoredMark(String name, int from, int to) { }

    /** How words are parted at the ends of lines. @param most lines in a row, 0 for any number; @param zone in points */
    record Parting(int most, double zone) { }

    /** What is drawn at a place of the text; nothing where it can't be taken over. */
    @FunctionalInterface
    interface DrawnThings {
        List<Inline> at(int at, Look look);
    }

    CharSequence text();
    List<Stretch> paragraphs();
    List<Stretch> runs();
    List<Stretch> sections();
    /** How many characters a part of the text has. */
    int length(SubdocumentType part);
    /** The styles by their numbers; null where a number has none. */
    List<StoredStyle> styles();
    /** The lists that sprmPIlfo (0x460B) names by numbers. */
    Numbering lists(LookReading looks);
    /** The family of a font's number, or null. */
    String font(int number);
    /** Who is meant by a number among those who revised, or empty. */
    String author(int number);
    List<StoredNote> footnotes();
    List<StoredNote> endnotes();
    List<StoredMark> bookmarks();
    /** Where the headers and footers of each section stand in the whole text; a section says those only that differ from those before it. */
    List<Map<FramePlace, int[]>> frames();
    /** Whether even pages have headers of their own. */
    boolean facesPages();
    /** The distance of tab stops in points; 0 where it is not told. */
    double tabWidth();
    /** How words are parted, or null where they are not. */
    Parting parting();
    Facts facts();
    /** Where pictures in lines and the data of form fields stand; null for nowhere. */
    byte[] data();
    /** The picture at a place of the data, or null where there is none. @throws RuntimeException where it can't be read */
    Picture picture(int place);

    /** What is drawn at places of the text. @param told what can't be taken over */
    DrawnThings drawn(DocReader reader, List<Finding> told);

    /** Where a part begins in the whole text. */
    default int start(SubdocumentType part) {
        int start = 0;
        for (SubdocumentType one : SubdocumentType.ORDERED) {
            if (one == part) return start;
            start += length(one);
        }
        return start;
    }
}
