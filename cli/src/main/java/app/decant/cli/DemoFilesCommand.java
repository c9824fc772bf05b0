package app.decant.cli;

import app.decant.demo.DemoArchive;
import app.decant.demo.DemoFiles;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Writes the demo company's documents and archive. */
@Command(name = "demo-files", mixinStandardHelpOptions = true)
final class DemoFilesCommand implements Callable<Integer> {
    @Parameters(paramLabel = "DIR")
    private Path folder;

    @Spec private CommandSpec spec;

    @Override public Integer call() throws IOException {
        for (Path file : DemoFiles.into(folder)) spec.commandLine().getErr().println(file);
        spec.commandLine().getErr().println(DemoArchive.into(folder));
        return Main.DONE;
    }
}
