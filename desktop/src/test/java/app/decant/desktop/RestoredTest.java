package app.decant.desktop;

import static app.decant.desktop.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.demo.FaresWorkbook;
import app.decant.desktop.work.WorkingCopy;
import app.decant.document.Document;
import app.decant.document.Walk;
import app.decant.edit.FormFilling;
import app.decant.edit.Search;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.sheet.SheetFormat;
import app.decant.publish.Recipe;
import app.decant.sheet.CellValue;
import app.decant.sheet.SheetAnswers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.util.WaitForAsyncUtils;

/** Work that was cut short on PDFs and workbooks comes back with what it was made from: the file's own pages, its sheets; nothing that was typed is gone. */
class RestoredTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private MainWindow window;

    @BeforeEach void arrive() { window = SHARED.window(); }

    private void open(Path file, Path shown) throws Exception {
        WaitForAsyncUtils.asyncFx(() -> window.desk().open(file, null)).get();
        until(() -> window.desk().source().get() != null && window.desk().source().get().file().equals(shown) && window.desk().job().get() == null);
        until(() -> window.desk().isLaidOut());
    }

    /** The newest copy, once it holds a state: carried aside with the note of where it is from, as a machine that died leaves both. */
    private Path left(Document state) throws Exception {
        until(() -> WorkingCopy.kept(Decant.home().resolve("working")).stream().findFirst().filter(one -> Decant.open(one.copy()).document().equals(state))
                .isPresent());
        Path copy = WorkingCopy.kept(Decant.home().resolve("working")).get(0).copy();
        Path aside = Files.createDirectories(SHARED.own().resolve("left")).resolve(copy.getFileName());
        Files.copy(copy, aside);
        String name = copy.getFileName().toString();
        String from = name.substring(0, name.lastIndexOf('.')) + ".from";
        Files.copy(copy.resolveSibling(from), aside.resolveSibling(from));
        WaitForAsyncUtils.asyncFx(() -> window.desk().discard()).get();
        return aside;
    }

    @Test void aWorkbookComesBackOnItsSheets() throws Exception {
        Path file = SHARED.own().resolve("Fares to restore.xlsx");
        Files.write(file, SheetFormat.XLSX.write(FaresWorkbook.workbook(), Instant.EPOCH).bytes());
        open(file, file);
        WaitForAsyncUtils.asyncFx(() -> window.desk().apply(FormFilling.answer(window.desk().document(), window.desk().selection().get(),
                Map.of(SheetAnswers.cell("Fares", 3, 1), "5.20")))).get();
        until(() -> window.desk().isLaidOut());
        Path copy = left(window.desk().document());
        open(SHARED.files().get(0), SHARED.files().get(0));
        open(copy, file);
        assertThat(window.desk().changed().get()).isTrue();
        until(() -> window.sheets().isShown() && window.desk().session().workbook().sheet("Fares").cell(3, 2).value().equals(new CellValue.Number(6.5)));
        WaitForAsyncUtils.asyncFx(() -> window.desk().discard()).get();
    }

    @Test void aPdfComesBackOnItsOwnPages() throws Exception {
        Path file = SHARED.own().resolve("To restore.pdf");
        Decant.publish(Decant.open(SHARED.files().get(0)).document(), Recipe.PLAIN, file);
        open(file, file);
        int pages = window.desk().pages().get().count();
        TextSelection word = Search.all(window.desk().document(), "harbour", false).get(0);
        WaitForAsyncUtils.asyncFx(() -> window.desk().apply(Typing.type(window.desk().document(), word, "havenly", null))).get();
        until(() -> window.desk().isLaidOut());
        Path copy = left(window.desk().document());
        open(SHARED.files().get(0), SHARED.files().get(0));
        open(copy, file);
        assertThat(window.desk().changed().get()).isTrue();
        assertThat(Walk.of(window.desk().document()).stops()).anyMatch(stop -> stop.paragraph().text().contains("havenly"));
        assertThat(window.desk().pages().get().pages()).hasSize(pages).allMatch(page -> page.ground() != null)
                .filteredOn(page -> page.ground().rewritten() != null).hasSize(1);
        WaitForAsyncUtils.asyncFx(() -> window.desk().discard()).get();
    }
}
