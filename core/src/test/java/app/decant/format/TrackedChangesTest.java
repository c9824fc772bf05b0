package app.decant.format;

import app.decant.format.odf.OdfFormat;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.document.TrackedChanges;
import app.decant.format.ooxml.OoxmlFormat;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What people changed and remarked, unsettled, through every format that has a place for it. */
class TrackedChangesTest {
    private static List<Format> formats() { return Formats.all().stream().filter(format -> format.writes() && format.takesTrackedChanges()).toList(); }

    private static Document through(Format format, Document document) {
        return Formats.read(format.write(document, Instant.EPOCH).bytes(), "made." + format.ending(), null, Progress.SILENT).document();
    }

    private static List<String> texts(Document document, boolean accepted) {
        List<String> texts = new ArrayList<>();
        for (Block block : TrackedChanges.settled(document, accepted).blocks()) {
            if (block instanceof Paragraph paragraph) texts.add(paragraph.plainText());
            if (block instanceof Table table) for (Table.Row row : table.rows())
                texts.add(String.join("|", row.cells().stream().map(cell -> ((Paragraph) cell.blocks().get(0)).plainText()).toList()));
        }
        return texts;
    }

    /** The laws of the values themselves: what stands when all is accepted, when all is rejected, and how much there is to settle. */
    @Test void settledTextIsWhatPeopleMeant() {
        assertThat(texts(Marked.changed(), true)).containsExactly("The ferry leaves at eight.", "Bicycles travel on the lower deck.", "Dogs need a lead.",
                "See the board.");
        assertThat(texts(Marked.changed(), false)).containsExactly("The ferry leaves at seven.", "Bicycles travel", " the lower deck.", "No smoking.",
                "See the board.");
        assertThat(TrackedChanges.count(Marked.changed())).isEqualTo(6);
        assertThat(texts(Marked.rows(), true)).containsExactly("Adult|12.00", "Dog|3.00", "Valid all year.");
        assertThat(texts(Marked.rows(), false)).containsExactly("Adult|12.00", "Child|6.00", "Valid all year.");
        Document settled = TrackedChanges.settled(Marked.changed(), true);
        assertThat(TrackedChanges.count(settled)).isZero();
        assertThat(TrackedChanges.settled(settled, false)).isSameAs(settled);
    }

    /** A cell that reaches down from a row that goes stands on in the next; one that reaches into it becomes shorter. */
    @Test void cellsThatReachOverRowsStayWhole() {
        Table table = (Table) Marked.rows().blocks().get(0);
        List<Table.Row> rows = new ArrayList<>(table.rows());
        Table.Cell tall = rows.get(1).cells().get(0).withSpans(1, 2);
        rows.set(1, new Table.Row(rows.get(1).look(), List.of(tall, rows.get(1).cells().get(1))));
        rows.set(2, new Table.Row(rows.get(2).look(), List.of(rows.get(2).cells().get(1))));
        Document document = Marked.rows().replacing(BlockPath.of(0), 0, 1, List.of(new Table(table.look(), table.columns(), rows)));
        assertThat(texts(document, true)).containsExactly("Adult|12.00", "Child|3.00", "Valid all year.");
        assertThat(texts(document, false)).containsExactly("Adult|12.00", "Child|6.00", "Valid all year.");
    }

    @ParameterizedTest @MethodSource("formats") void changesComeThroughAndSettleAlike(Format format) {
        Document again = through(format, Marked.changed());
        assertThat(texts(again, true)).isEqualTo(texts(Marked.changed(), true));
        assertThat(texts(again, false)).isEqualTo(texts(Marked.changed(), false));
        List<TrackedChange> changes = new ArrayList<>();
        for (Paragraph paragraph : Reading.paragraphs(again))
            for (Inline inline : paragraph.inlines()) if (inline.look().says(TextProperty.TRACKED)) changes.add(inline.look().get(TextProperty.TRACKED));
        assertThat(changes).containsExactly(Marked.WENT, Marked.CAME, Marked.CAME, Marked.CAME, Marked.WENT);
    }

    @ParameterizedTest @MethodSource("formats") void commentsComeThroughWithTheirPassages(Format format) {
        if (!format.takesComments()) return;
        Document again = through(format, Marked.remarked());
        assertThat(passages(again)).isEqualTo(passages(Marked.remarked()));
    }

    /** What each comment says, and the words it is said of. */
    private static List<String> passages(Document document) {
        List<String> passages = new ArrayList<>();
        for (Comment comment : Comments.borne(document).keySet()) {
            StringBuilder words = new StringBuilder();
            for (Paragraph paragraph : Reading.paragraphs(document))
                for (Inline inline : paragraph.inlines())
                    if (inline instanceof Inline.Text run && Comments.of(run.look()).contains(comment)) words.append(run.text());
            passages.add(comment.remark().author() + " " + comment.remark().when() + " “" + comment.remark().text().lines().findFirst().orElse("") + "” on “"
                    + words + "”");
        }
        return passages;
    }

    /** ISO/IEC 29500-1, 17.13.4 and [MS-DOCX] 2.5.4: answers hang on what they answer, and what is done is done. */
    @Test void answersAndWhatIsDoneComeThroughDocx() {
        assertThat(Comments.borne(through(OoxmlFormat.DOCX, Marked.remarked())).keySet()).containsAll(List.of(Marked.ASKED, Marked.NOTED));
    }

    /** 17.13.5.12: rows. */
    @Test void rowsThatCameAndWentComeThroughDocx() {
        Document again = through(OoxmlFormat.DOCX, Marked.rows());
        assertThat(again.sections().get(0).blocks()).isEqualTo(Marked.rows().sections().get(0).blocks());
        assertThat(((Table) again.blocks().get(0)).rows().get(1).look().get(TableProperty.TRACKED)).isEqualTo(Marked.WENT);
    }

    /** A format that knows no changes of rows has them accepted, and says so. */
    @Test void rowsAreAcceptedWhereTheFormatKnowsNone() {
        Written written = OdfFormat.ODT.write(Marked.rows(), Instant.EPOCH);
        assertThat(written.findings()).extracting(finding -> finding.what()).containsExactly(
                "Rows of tables that were put in or taken out while changes were tracked are accepted.");
        assertThat(texts(through(OdfFormat.ODT, Marked.rows()), false)).containsExactly("Adult|12.00", "Dog|3.00", "Valid all year.");
    }

    /** 17.13.5.14, 17.13.5.18, 17.13.5.22, 17.13.5.25: deleted within inserted, moved, fields within deletions, dates that can't be read. */
    @Test void whatFilesSayOfChangesIsRead() {
        String body = "<w:p><w:pPr><w:rPr><w:ins w:id=\"1\" w:author=\"A\"/></w:rPr></w:pPr><w:ins w:id=\"2\" w:author=\"A\" w:date=\"2026-03-02T09:30:00Z\">"
                + "<w:r><w:t>one</w:t></w:r><w:del w:id=\"3\" w:author=\"B\" w:date=\"yesterday\"><w:r><w:delText>two</w:delText></w:r></w:del></w:ins>"
                + "<w:moveFrom w:id=\"4\" w:author=\"C\"><w:r><w:t>three</w:t></w:r></w:moveFrom><w:r><w:t>four</w:t></w:r>"
                + "<w:moveTo w:id=\"5\" w:author=\"C\"><w:r><w:t>three</w:t></w:r></w:moveTo></w:p><w:p/>";
        Taken taken = Formats.read(new DocxParts().bytes(body), "made.docx", null, Progress.SILENT);
        assertThat(texts(taken.document(), true)).containsExactly("onefourthree", "");
        assertThat(texts(taken.document(), false)).containsExactly("threefour");
        Inline.Text two = (Inline.Text) Reading.paragraphs(taken.document()).get(0).inlines().get(1);
        assertThat(two.look().get(TextProperty.TRACKED)).isEqualTo(new TrackedChange(new TrackedChange.Mark("A", Marked.MONDAY), new TrackedChange.Mark("B",
                null)));
        assertThat(taken.findings()).isEmpty();
    }

    /** 17.13.4.5: a comment may have no range; it hangs on the letter before its mark, or on the first behind. */
    @Test void commentsWithoutRangesHangOnLetters() {
        String comments = "<w:comments xmlns:w=\"" + DocxParts.W + "\"><w:comment w:id=\"0\" w:author=\"A\"><w:p><w:r><w:t>Why?</w:t></w:r></w:p></w:comment>"
                + "<w:comment w:id=\"1\" w:author=\"B\"><w:p><w:r><w:t>How?</w:t></w:r></w:p></w:comment><w:comment w:id=\"2\"><w:p/></w:comment></w:comments>";
        String body = "<w:p><w:r><w:commentReference w:id=\"1\"/></w:r><w:r><w:t>abc</w:t></w:r><w:r><w:commentReference "
                + "w:id=\"0\"/></w:r><w:r><w:t>d</w:t></w:r></w:p>";
        Taken taken = Formats.read(new DocxParts().with("comments", "comments.xml", comments).bytes(body), "made.docx", null, Progress.SILENT);
        assertThat(passages(taken.document())).containsExactly("B null “How?” on “abc”", "A null “Why?” on “c”");
        assertThat(taken.findings()).extracting(finding -> finding.what()).containsExactly("A comment hangs on no passage and is left out.");
    }
}
