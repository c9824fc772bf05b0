package app.decant.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/**
 * Does once what people do most, so that the start script can keep the classes loaded for it in an archive: a text document made into a PDF, that into
 * text and another document, and once more into a PDF of its own pages.
 */
@Command(name = "warm", hidden = true)
final class WarmCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FOLDER")
    private Path folder;

    @Override public Integer call() {
        String pdf = file("warm.pdf");
        int trouble = Main.run("demo-files", folder.toString());
        trouble = Math.max(trouble, Main.run("publish", file("Passenger handbook.docx"), "--out", pdf));
        trouble = Math.max(trouble, Main.run("publish", pdf, "--out", file("warm.txt")));
        trouble = Math.max(trouble, Main.run("publish", pdf, "--out", file("warm.docx")));
        trouble = Math.max(trouble, Main.run("publish", pdf, "--out", file("again.pdf"), "--title", "Again"));
        return trouble;
    }

    private String file(String name) { return folder.resolve(name).toString(); }
}
