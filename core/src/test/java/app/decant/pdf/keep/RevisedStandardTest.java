package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.check.StandardCheck;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.FactsRule;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Archive copies of a PDF one page of which can't be corrected in its own stream: the others stay its own. Held to ISO 19005 by veraPDF. */
class RevisedStandardTest {
    private static final String TABLE = """
            1 w 72 30 200 24 re S 272 30 200 24 re S
            BT /F1 11 Tf 78 38 Td (Monday) Tj ET
            BT /F1 11 Tf 278 38 Td (555 0110) Tj ET
            72 54 200 24 re S 272 54 200 24 re S
            BT /F1 11 Tf 78 62 Td (Harbour) Tj ET
            BT /F1 11 Tf 278 62 Td (Telephone) Tj ET
            """;
    private static final String LONGER = "Monday and Tuesday, and on each day of the week on which no feast is, nor any market, and whenever the ferry calls, "
            .repeat(2);

    @TempDir private Path root;
    private CorrectedFile files;
    private Path source;

    @BeforeEach void setUp() throws IOException {
        files = new CorrectedFile(root);
        source = files.file(TABLE, "BT /F1 11 Tf 72 400 Td (The second page) Tj ET\n", "BT /F1 11 Tf 72 400 Td (The third page) Tj ET\n");
    }

    private Made publish(Standard standard) {
        Recipe recipe = Recipe.PLAIN.with(PdfStyle.PLAIN.with(standard)).with(new FactsRule(false, "Harbour", null, null, null, null));
        return files.correct(source, "Monday", LONGER, recipe);
    }

    @Test void otherPagesStayTheirOwn() throws IOException {
        for (Standard standard : new Standard[] {Standard.A_1B, Standard.A_2B, Standard.A_2U, Standard.A_3B}) {
            Made made = publish(standard);
            assertThat(made.pages().isOwn(0)).as("%s", made.findings()).isFalse();
            int last = made.pages().count() - 1;
            assertThat(made.pages().isOwn(last)).as("%s of %d: %s", standard, last, made.findings()).isTrue();
            assertThat(StandardCheck.broken(made.receipt().file(), standard)).as("%s", standard).isEmpty();
            assertThat(CorrectedFile.letters(made.receipt().file(), last)).isEqualTo(CorrectedFile.letters(source, 2));
            assertThat(CorrectedFile.text(made.receipt().file()).replaceAll("\\s+", " ")).contains("nor any market, and whenever the ferry calls");
            assertThat(made.findings()).noneMatch(one -> one.startsWith("All pages"));
        }
    }

    @Test void accessibleCopiesHaveThemAllSetAnewAndAreToldSo() throws IOException {
        Made made = publish(Standard.UA_1);
        assertThat(made.pages().isOwn(1)).isFalse();
        assertThat(made.findings()).anyMatch(one -> one.contains("set anew"));
        assertThat(StandardCheck.broken(made.receipt().file(), Standard.UA_1)).isEmpty();
    }
}
