package app.decant.cli;

import app.decant.document.DecantException;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command line's entrance. Exit status 0: all done; 1: something failed; 2: wrong call. */
@Command(name = "decant", description = "Takes office documents in, and publishes them again.", mixinStandardHelpOptions = true, version = "Decant 0.1.0",
        subcommands = {PublishCommand.class, RecipesCommand.class, QueueCommand.class, FolderCommand.class, InspectCommand.class, CompareCommand.class, DemoFilesCommand.class, CommandLine.HelpCommand.class}, synopsisSubcommandLabel = "COMMAND",
        footer = {"", "The window: decant open [FILE...], or decant demo."})
public final class Main {
    /** All done, some outputs failed, wrong call. */
    static final int DONE = 0;
    static final int FAILED = 1;
    static final int WRONG_CALL = 2;

    private Main() { }

    public static void main(String[] arguments) { System.exit(run(arguments)); }

    /** Runs a call and gives its exit status. */
    public static int run(String... arguments) {
        System.setProperty("java.awt.headless", "true");
        CommandLine line = new CommandLine(new Main());
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.setExecutionExceptionHandler((exception, command, parsed) -> {
            if (exception instanceof DecantException told) {
                LoggerFactory.getLogger(Main.class).info("{}", told.getMessage(), told);
                command.getErr().println(told.getMessage());
                return told.kind() == DecantException.Kind.WRONG_CALL ? WRONG_CALL : FAILED;
            }
            LoggerFactory.getLogger(Main.class).error("Unforeseen", exception);
            command.getErr().println("Something went wrong that was not foreseen; nothing was replaced. The log in your home folder, .decant/decant.log, tells more.");
            return FAILED;
        });
        if (arguments.length == 0) {
            line.usage(line.getErr());
            return WRONG_CALL;
        }
        return line.execute(arguments);
    }
}
