package app.decant.cli;

import app.decant.Decant;
import app.decant.document.DecantException;
import java.util.Arrays;
import java.util.Locale;
import org.slf4j.LoggerFactory;
import picocli.CommandLine.Command;
import picocli.CommandLine;

/** The command line's entrance. Exit status 0: all done; 1: something failed; 2: wrong call. */
@Command(name = "decant", resourceBundle = "app.decant.cli.options", mixinStandardHelpOptions = true, version = "Decant 0.1.0",
        subcommands = {PublishCommand.class, RecipesCommand.class, QueueCommand.class, FolderCommand.class, InspectCommand.class, CompareCommand.class,
        FillCommand.class, DemoFilesCommand.class, WarmCommand.class, CommandLine.HelpCommand.class}, synopsisSubcommandLabel = "COMMAND")
public final class Main {
    /** All done, some outputs failed, wrong call. */
    static final int DONE = 0;
    static final int FAILED = 1;
    static final int WRONG_CALL = 2;

    private Main() { }

    public static void main(String[] arguments) {
        // The log is open by now; with the folder it lies in, it is closed to others.
        LoggerFactory.getLogger(Main.class).debug("{}", Decant.home());
        System.exit(run(arguments));
    }

    /** All commands. */
    static CommandLine line() { return new CommandLine(new Main()); }

    /** Runs a call and gives its exit status. */
    public static int run(String... arguments) {
        System.setProperty("java.awt.headless", "true");
        CommandLine line = line();
        line.setCaseInsensitiveEnumValuesAllowed(true);
        boolean json = Arrays.asList(arguments).contains("--json");
        line.setExecutionExceptionHandler((exception, command, parsed) -> failed(exception, command, json));
        line.setParameterExceptionHandler((exception, call) -> {
            CommandLine command = exception.getCommandLine();
            String sentence = CallMistake.sentence(exception);
            command.getErr().println(sentence);
            command.getErr().println(command.getParent() == null ? Words.of("call.help") : Words.of("call.help.of", command.getCommandName()));
            if (json) command.getOut().println(failure(DecantException.Kind.WRONG_CALL, sentence));
            return WRONG_CALL;
        });
        if (arguments.length == 0) {
            line.usage(line.getErr());
            return WRONG_CALL;
        }
        try {
            return line.execute(arguments);
        } catch (StackOverflowError | OutOfMemoryError | LinkageError e) {
            return failed(e, line, json);
        }
    }

    /** Tells in a sentence what went wrong, and as JSON where that was asked for; the cause goes to the log. */
    private static int failed(Throwable problem, CommandLine command, boolean json) {
        DecantException told = problem instanceof DecantException known ? known : null;
        if (told == null || told.kind() == DecantException.Kind.UNFORESEEN) LoggerFactory.getLogger(Main.class).error("Unforeseen", problem);
        else LoggerFactory.getLogger(Main.class).info("{}", told.getMessage(), told);
        String sentence = told != null ? told.getMessage() : Words.of("call.unforeseen");
        DecantException.Kind kind = told != null ? told.kind() : DecantException.Kind.UNFORESEEN;
        command.getErr().println(sentence);
        if (json) command.getOut().println(failure(kind, sentence));
        return kind == DecantException.Kind.WRONG_CALL ? WRONG_CALL : FAILED;
    }

    private static String failure(DecantException.Kind kind, String sentence) {
        return Json.text(Json.object().put("done", false).put("kind", kind.name().toLowerCase(Locale.ROOT)).put("message", sentence));
    }
}
