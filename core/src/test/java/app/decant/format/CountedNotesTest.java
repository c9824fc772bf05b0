package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.PageDress;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.page.Piece;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How notes are counted: read, set and written; clauses are those of ISO/IEC 29500-1 where no other standard is named. */
class CountedNotesTest {
    private static final NoteCount LETTERS = new NoteCount(NumberFormat.LOWER_LETTER, 3, false);
    private static final NoteCount FIGURES = new NoteCount(NumberFormat.DECIMAL, 1, true);

    private static Paragraph noted(String text, Inline.Note.Kind kind) {
        Inline note = new Inline.Note(kind, List.of(Paragraph.of("See the board.")), null, Look.PLAIN);
        return Paragraph.of("").withInlines(List.of(new Inline.Text(text, Look.PLAIN), note));
    }

    private static Section section(PageDress dress, int notes) {
        List<Paragraph> paragraphs = new ArrayList<>();
        for (int i = 0; i < notes; i++) {
            paragraphs.add(noted("foot", Inline.Note.Kind.FOOTNOTE));
            paragraphs.add(noted("end", Inline.Note.Kind.ENDNOTE));
        }
        return Section.PLAIN.withBlocks(List.copyOf(paragraphs)).dressed(dress);
    }

    private static Document document(Section... sections) { return Document.empty().withSections(List.of(sections)); }

    /** The marks behind words, in reading order. */
    private static List<String> marks(Document document, String word) {
        List<String> marks = new ArrayList<>();
        Layout.of(document, FontCatalogue.shipped()).pages().forEach(page -> page.lines().forEach(line -> {
            String before = "";
            for (Piece piece : line.line().pieces()) {
                if (!(piece instanceof Piece.Glyphs glyphs)) continue;
                if (before.equals(word)) marks.add(glyphs.text());
                else if (glyphs.text().startsWith(word) && glyphs.text().length() > word.length()) marks.add(glyphs.text().substring(word.length()));
                before = glyphs.text();
            }
        }));
        return marks;
    }

    private static Document read(byte[] file, String name) { return Formats.read(file, name, null, Progress.SILENT).document(); }

    @Test void notesAreCountedAsTheyUsuallyAre() {
        Document document = document(section(PageDress.PLAIN, 3));
        assertThat(marks(document, "foot")).containsExactly("1", "2", "3");
        assertThat(marks(document, "end")).containsExactly("i", "ii", "iii");
    }

    @Test void orAsTheirSectionSays() {
        Document document = document(section(PageDress.PLAIN.counting(LETTERS, FIGURES), 2), section(PageDress.PLAIN.counting(LETTERS, FIGURES), 2));
        assertThat(marks(document, "foot")).containsExactly("c", "d", "e", "f");
        assertThat(marks(document, "end")).as("begins again with each section").containsExactly("1", "2", "1", "2");
        Document signs = document(section(PageDress.PLAIN.counting(new NoteCount(NumberFormat.SIGNS, 1, false), NoteCount.ENDNOTES), 6));
        assertThat(marks(signs, "foot")).containsExactly("*", "\u2020", "\u2021", "\u00A7", "**", "\u2020\u2020");
    }

    /** 17.11.4, 17.11.11: said for the whole document in its settings, and for a section in its own properties. */
    @Test void settingsSpeakForAllSectionsThatDoNot() {
        String settings = "<w:settings xmlns:w=\"" + DocxParts.W + "\"><w:endnotePr><w:numFmt w:val=\"decimal\"/><w:endnote w:id=\"-1\"/></w:endnotePr>"
                + "<w:footnotePr><w:numFmt w:val=\"chicago\"/><w:numRestart w:val=\"eachSect\"/></w:footnotePr></w:settings>";
        byte[] file = new DocxParts().with("settings", "settings.xml", settings).bytes("<w:p><w:pPr><w:sectPr><w:footnotePr><w:numFmt w:val=\"upperRoman\"/>"
                + "<w:numStart w:val=\"4\"/></w:footnotePr></w:sectPr></w:pPr></w:p><w:p/><w:sectPr/>");
        List<Section> sections = read(file, "made.docx").sections();
        assertThat(sections.get(0).dress().footnotes()).isEqualTo(new NoteCount(NumberFormat.UPPER_ROMAN, 4, true));
        assertThat(sections.get(1).dress().footnotes()).isEqualTo(new NoteCount(NumberFormat.SIGNS, 1, true));
        assertThat(sections.get(1).dress().endnotes()).isEqualTo(new NoteCount(NumberFormat.DECIMAL, 1, false));
        byte[] saved = Formats.called("docx").write(read(file, "made.docx"), Instant.EPOCH).bytes();
        assertThat(read(saved, "made.docx").sections()).extracting(Section::dress).containsExactlyElementsOf(sections.stream().map(Section::dress).toList());
        assertThat(Elements.part(saved, "word/settings.xml").find("w:endnote")).as("separators are those of its own part").isNull();
    }

    /** Every format that has a place for it gives it back, and the marks are the same on its pages. */
    @ParameterizedTest @CsvSource({"docx", "doc", "rtf"}) void formatsGiveItBack(String ending) {
        Document document = document(section(PageDress.PLAIN.counting(LETTERS, FIGURES), 2),
                section(PageDress.PLAIN.counting(new NoteCount(NumberFormat.SIGNS, 1, true), new NoteCount(NumberFormat.UPPER_LETTER, 2, false)), 2));
        Document back = read(Formats.called(ending).write(document, Instant.EPOCH).bytes(), "notes." + ending);
        assertThat(back.sections()).extracting(section -> section.dress().footnotes()).containsExactly(LETTERS, new NoteCount(NumberFormat.SIGNS, 1, true));
        assertThat(back.sections()).extracting(section -> section.dress().endnotes()).containsExactly(FIGURES, new NoteCount(NumberFormat.UPPER_LETTER, 2,
                false));
        assertThat(marks(back, "foot")).isEqualTo(marks(document, "foot"));
        assertThat(marks(back, "end")).isEqualTo(marks(document, "end"));
        Document plain = document(section(PageDress.PLAIN, 2));
        Document same = read(Formats.called(ending).write(plain, Instant.EPOCH).bytes(), "notes." + ending);
        assertThat(marks(same, "end")).as("what nobody said").containsExactly("i", "ii");
    }

    /** OpenDocument 1.2, 16.29.3: one way for all notes of a kind; what that can't say is told. */
    @Test void openDocumentCountsThroughTheWholeDocument() {
        Document document = document(section(PageDress.PLAIN.counting(LETTERS, new NoteCount(NumberFormat.DECIMAL, 1, false)), 3));
        Written written = Formats.called("odt").write(document, Instant.EPOCH);
        assertThat(written.findings()).isEmpty();
        Document back = read(written.bytes(), "notes.odt");
        assertThat(marks(back, "foot")).containsExactly("c", "d", "e");
        assertThat(marks(back, "end")).containsExactly("1", "2", "3");
        for (PageDress dress : List.of(PageDress.PLAIN.counting(NoteCount.FOOTNOTES, FIGURES), PageDress.PLAIN.counting(new NoteCount(NumberFormat.SIGNS, 1,
                false),
                NoteCount.ENDNOTES)))
            assertThat(Formats.called("odt").write(document(section(dress, 1)), Instant.EPOCH).findings()).extracting(Finding::what)
                    .anyMatch(what -> what.contains("notes are counted"));
    }

    /** Rich Text Format 1.9.1, footnotes: words of the file, and those of a section before them; endnotes count in figures where nothing is said. */
    @Test void richTextSaysItForFileAndSection() {
        String rtf = "{\\rtf1\\ansi\\ftnnruc\\ftnstart2\\aftnnalc\\aftnrestart\\sectd one\\sect\\sectd\\sftnnchi\\saftnstart5 two\\par}";
        List<Section> sections = read(rtf.getBytes(StandardCharsets.US_ASCII), "a.rtf").sections();
        assertThat(sections.get(0).dress().footnotes()).isEqualTo(new NoteCount(NumberFormat.UPPER_ROMAN, 2, false));
        assertThat(sections.get(0).dress().endnotes()).isEqualTo(new NoteCount(NumberFormat.LOWER_LETTER, 1, true));
        assertThat(sections.get(1).dress().footnotes()).isEqualTo(new NoteCount(NumberFormat.SIGNS, 2, false));
        assertThat(sections.get(1).dress().endnotes()).isEqualTo(new NoteCount(NumberFormat.LOWER_LETTER, 5, true));
        Section plain = read("{\\rtf1\\ansi one\\par}".getBytes(StandardCharsets.US_ASCII), "a.rtf").sections().get(0);
        assertThat(plain.dress().endnotes().format()).isEqualTo(NumberFormat.DECIMAL);
    }

    @Test void marksCount() {
        assertThatThrownBy(() -> new NoteCount(NumberFormat.BULLET, 1, false)).isInstanceOf(IllegalArgumentException.class);
        assertThat(new NoteCount(NumberFormat.DECIMAL, -5, false).start()).isEqualTo(1);
    }
}
