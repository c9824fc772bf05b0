package app.decant.cli;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.publish.PublishQueue.Waiting;
import app.decant.publish.PublishQueue;
import app.decant.publish.Receipt;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Looks at the publications that wait, and runs them. */
@Command(name = "queue", mixinStandardHelpOptions = true)
final class QueueCommand implements Callable<Integer> {
    @Parameters(arity = "0..1", paramLabel = "list|run|remove", defaultValue = "list")
    private String task;

    @Option(names = "--number", paramLabel = "N")
    private Integer number;

    @Option(names = "--json")
    private boolean json;

    @Spec private CommandSpec spec;

    @Override public Integer call() {
        PublishQueue queue = Decant.queue();
        List<Waiting> all = queue.all();
        if (number != null && (number < 1 || number > all.size()))
            throw Words.wrong("queue.number", number.toString(), all.size());
        List<Waiting> chosen = number == null ? all : List.of(all.get(number - 1));
        return switch (task) {
            case "list" -> list(chosen);
            case "run" -> run(chosen);
            case "remove" -> {
                chosen.forEach(queue::remove);
                if (json) spec.commandLine().getOut().println(Json.text(Json.object().put("removed", chosen.size())));
                yield Main.DONE;
            }
            default -> throw Words.wrong("queue.task", task);
        };
    }

    private int list(List<Waiting> waiting) {
        ArrayNode list = Json.array();
        PrintWriter out = spec.commandLine().getOut();
        for (int i = 0; i < waiting.size(); i++) {
            Waiting one = waiting.get(i);
            if (json) list.addObject().put("title", one.title()).put("file", one.file().toString()).put("added", one.added().toString())
                    .put("tries", one.tries()).put("trouble", one.trouble());
            else out.println(one.trouble() == null ? Words.of("queue.line", i + 1, one.title(), one.file())
                    : Words.of("queue.line.failed", i + 1, one.title(), one.file(), one.trouble()));
        }
        if (json) out.println(Json.text(list));
        else if (waiting.isEmpty()) out.println(Words.of("queue.none"));
        return Main.DONE;
    }

    private int run(List<Waiting> waiting) {
        ArrayNode results = Json.array();
        int failed = 0;
        for (Waiting one : waiting) {
            try {
                List<Receipt> receipts = Decant.publishWaiting(one, Progress.SILENT);
                for (Receipt receipt : receipts) {
                    results.addObject().put("title", one.title()).put("done", true).put("file", receipt.file().toString()).put("bytes", receipt.bytes());
                    if (!json) spec.commandLine().getErr().println(Words.of("queue.made", one.title(), receipt.file()));
                }
            } catch (DecantException e) {
                failed++;
                results.addObject().put("title", one.title()).put("done", false).put("message", e.getMessage());
                spec.commandLine().getErr().println(one.title() + ": " + e.getMessage());
            }
        }
        if (json) spec.commandLine().getOut().println(Json.text(results));
        return failed == 0 ? Main.DONE : Main.FAILED;
    }
}
