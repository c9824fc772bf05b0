package app.decant.document;

import java.util.List;

/**
 * What stands in a line of a paragraph. Every inline has a length in caret positions: a character of text counts one, an object counts one
 * (it reads as U+FFFC), a bookmark point counts none.
 */
public sealed interface Inline {
    /** What an object reads as in {@link Paragraph#text()}: U+FFFC. */
    char OBJECT = '\uFFFC';
    /** A line break inside a paragraph. */
    char LINE_BREAK = '\n';
    char TAB = '\t';
    /** A page break inside a paragraph. */
    char PAGE_BREAK = '\f';
    char COLUMN_BREAK = '\u000B';

    int length();

    /** What the inline says of its own look. */
    Look look();

    /** The same inline with another look. */
    Inline with(Look look);

    /**
     * Text in one look; {@link #TAB}, {@link #LINE_BREAK}, {@link #PAGE_BREAK} and {@link #COLUMN_BREAK} stand for what they are named. Where other programs
     * left the sign of an object without the object, a space of no width stands, since that sign is read as one.
     */
    record Text(String text, Look look) implements Inline {
        public Text { text = text.indexOf(OBJECT) < 0 ? text : text.replace(OBJECT, '\u200B'); }

        @Override public int length() { return text.length(); }
        @Override public Text with(Look other) { return new Text(text, other); }

        /** Some of its characters. */
        Text part(int from, int to) { return new Text(text.substring(from, to), look); }

        /** The same, or with U+FFFD for what is no character. */
        Text wellFormed() {
            String mended = Characters.wellFormed(text);
            return mended == text ? this : new Text(mended, look);
        }
    }

    /** A picture that stands in the line like a letter. */
    record InlinePicture(Picture picture, Look look) implements Inline {
        @Override public int length() { return 1; }
        @Override public InlinePicture with(Look other) { return new InlinePicture(picture, other); }
    }

    /** A picture or text box anchored here and standing elsewhere on the page. */
    record Floating(Anchor anchor, Content content, Look look) implements Inline {
        @Override public int length() { return 1; }
        @Override public Floating with(Look other) { return new Floating(anchor, content, other); }

        /** What floats. */
        public sealed interface Content permits Picture, TextBox {
            double width();
            double height();
        }
    }

    /** Text the program works out, such as a page number, with the result it had when it was read. */
    record Field(Kind kind, String instruction, String result, Look look) implements Inline {
        /**
         * The fields that are worked out anew; {@code NOTE_MARK} repeats a note's mark inside the note; {@code OTHER} keeps its instruction and shows its
         * last result.
         */
        public enum Kind {
            PAGE("PAGE"), PAGES("NUMPAGES"), SECTION_PAGES("SECTIONPAGES"), DATE("DATE"), TIME("TIME"), TITLE("TITLE"), AUTHOR("AUTHOR"),
                    FILE_NAME("FILENAME"), REFERENCE("REF"), PAGE_REFERENCE("PAGEREF"), NOTE_MARK("QUOTE"), OTHER("QUOTE");

            private final String word;

            Kind(String word) { this.word = word; }

            /** The kind that an instruction's first word asks for (ISO/IEC 29500-1, 17.16.5), in capitals. */
            public static Kind of(String word) {
                if (word.equals("CREATEDATE") || word.equals("SAVEDATE") || word.equals("PRINTDATE")) return DATE;
                for (Kind kind : values()) if (kind.ordinal() < NOTE_MARK.ordinal() && kind.word.equals(word)) return kind;
                return OTHER;
            }
        }

        /** The instruction it came with, or the plain one of its kind. */
        public String asked() { return instruction.isBlank() ? kind.word : instruction.trim(); }

        @Override public int length() { return 1; }
        @Override public Field with(Look other) { return new Field(kind, instruction, result, other); }

        /** The first word after the instruction's name: the bookmark that a reference leads to. */
        public String argument() {
            String[] words = instruction.trim().split("\\s+");
            return words.length > 1 ? words[1].replace("\"", "") : "";
        }
    }

    /** The mark of a foot- or endnote, holding the note itself. A null mark numbers it. */
    record Note(Kind kind, List<Block> blocks, String mark, Look look) implements Inline {
        public Note { blocks = List.copyOf(blocks); }

        /** At the foot of the page, or at the end of the document. */
        public enum Kind { FOOTNOTE, ENDNOTE }

        @Override public int length() { return 1; }
        @Override public Note with(Look other) { return new Note(kind, blocks, mark, other); }
    }

    /** The start or the end of a named place. */
    record BookmarkPoint(String name, boolean start) implements Inline {
        @Override public int length() { return 0; }
        @Override public Look look() { return Look.PLAIN; }
        @Override public BookmarkPoint with(Look other) { return this; }
    }

    /** Something that cannot be edited but is kept, with a picture of itself where there is one. */
    record OpaqueInline(Opaque opaque, Look look) implements Inline {
        @Override public int length() { return 1; }
        @Override public OpaqueInline with(Look other) { return new OpaqueInline(opaque, other); }
    }
}
