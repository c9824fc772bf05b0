package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.layout.Sample;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Lists of figures stay what they are in every format that has them (ISO/IEC 29500-1, 17.16.5.68; ISO/IEC 26300-1, 8.4). */
class ContentsFieldsTest {
    private static final String FIELD = "TOC \\h \\z \\c \"Figure\"";

    private static List<Contents> lists(Document document) {
        return document.blocks().stream().filter(Contents.class::isInstance).map(Contents.class::cast).toList();
    }

    @ParameterizedTest @CsvSource({"docx", "doc", "rtf", "odt"}) void aListOfFiguresIsReadAsOne(String ending) {
        Contents figures = Contents.of(FIELD, List.of(Paragraph.of("Figure 1: The harbour\t3"), Paragraph.of("Figure 2: The pier\t4")));
        Contents headings = new Contents(1, 2, List.of(Paragraph.of("Fares\t1")));
        Document document = Sample.of(List.of(Paragraph.of("Figures"), figures, headings, Paragraph.styled("Heading1", "Fares")));
        byte[] file = Formats.called(ending).write(document, Instant.EPOCH).bytes();
        Document back = Formats.read(file, "list." + ending, null, Progress.SILENT).document();
        assertThat(lists(back)).hasSize(2);
        Contents list = lists(back).get(0);
        assertThat(list.listsHeadings()).isFalse();
        assertThat(list.captions()).isEqualTo("Figure");
        if (!ending.equals("odt")) assertThat(list.instruction()).isEqualTo(FIELD);
        assertThat(list.entries()).extracting(Paragraph::plainText).containsExactly("Figure 1: The harbour\t3", "Figure 2: The pier\t4");
        assertThat(lists(back).get(1)).extracting(Contents::listsHeadings, Contents::fromLevel, Contents::toLevel).containsExactly(true, 1, 2);
        if (ending.equals("odt")) assertThat(new String(Archive.parts(file).get("content.xml"), StandardCharsets.UTF_8))
                .contains("<text:illustration-index ", "text:caption-sequence-name=\"Figure\"");
    }
}
