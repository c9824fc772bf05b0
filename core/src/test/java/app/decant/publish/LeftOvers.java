package app.decant.publish;

import java.io.IOException;
import java.nio.file.Path;

/** Names of parts as programs leave them. */
public final class LeftOvers {
    private LeftOvers() { }

    public static Path ofThisProcess(Path folder) { return LeftOver.name(folder, 7); }

    /** A process that has ended by now. */
    public static Path ofADeadProcess(Path folder) throws IOException {
        Process process = new ProcessBuilder(ProcessHandle.current().info().command().orElse("java"), "-version").redirectErrorStream(true).start();
        String began = Long.toString(process.info().startInstant().orElseThrow().toEpochMilli(), 36);
        process.destroyForcibly().onExit().join();
        String[] owner = LeftOver.name(folder, 7).getFileName().toString().split("-");
        return folder.resolve(owner[0] + "-" + owner[1] + "-" + Long.toString(process.pid(), 36) + "-" + began + "-" + owner[4]);
    }
}
