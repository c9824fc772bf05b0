package app.decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.demo.HarbourNotice;
import app.decant.desktop.work.WorkingCopy;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.text.TextWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A machine that dies: whenever it does, the working copy opens and holds what it said it had kept. {@code -Ddecant.kills=100} for more rounds. */
class KilledTest {
    @TempDir private Path folder;

    /** Keeps one state after another, and says each number once it is kept. */
    static final class Typist {
        public static void main(String[] arguments) {
            WorkingCopy copy = new WorkingCopy(Path.of(arguments[0]), Path.of("/somewhere/notice.docx"), arguments.length > 1 ? arguments[1] : null);
            Document document = HarbourNotice.document();
            Place start = new Place(Walk.of(document).stops().get(0).path(), 0);
            for (int i = 1; ; i++) {
                document = Typing.type(document, TextSelection.caret(start), "<" + i + ">", null).after();
                copy.keep(document);
                System.out.println(i);
            }
        }
    }

    @Test void losesNothingThatWasKept() throws IOException, InterruptedException {
        Random random = new Random(3);
        for (int round = 0; round < Integer.getInteger("decant.kills", 4); round++) {
            Path own = Files.createDirectory(folder.resolve("round " + round));
            String password = round % 3 == 2 ? "quayside" : null;
            List<String> call = new ArrayList<>(List.of(ProcessHandle.current().info().command().orElse("java"), "-Xmx300m", "-cp",
                    System.getProperty("java.class.path"), Typist.class.getName(), own.toString()));
            if (password != null) call.add(password);
            Path said = own.resolve("said.txt");
            Path complained = own.resolve("complained.txt");
            Process process = new ProcessBuilder(call).redirectOutput(said.toFile()).redirectError(complained.toFile()).start();
            // A library may say something before anything is kept.
            while (kept(said) == 0 && process.isAlive()) Thread.sleep(5);
            assertThat(process.isAlive()).as("still typing, and not:\n%s", Files.readString(complained)).isTrue();
            Thread.sleep(random.nextInt(400));
            process.destroyForcibly().waitFor();
            int kept = kept(said);
            assertThat(WorkingCopy.left(own)).as("round %d, %d kept", round, kept).hasSize(1);
            WorkingCopy.Left left = WorkingCopy.left(own).get(0);
            assertThat(left.name()).isEqualTo("notice.docx");
            Document found = Decant.open(left.copy(), password, Progress.SILENT).document();
            assertThat(TextWriter.write(found)).as("round " + round).contains("<" + kept + ">");
        }
    }

    /** The last number that was said whole, or 0. */
    private static int kept(Path said) throws IOException {
        String whole = Files.readString(said);
        return whole.substring(0, whole.lastIndexOf('\n') + 1).lines().filter(line -> line.matches("\\d+")).mapToInt(Integer::parseInt).max().orElse(0);
    }
}
