package app.decant.pdf.check;

import app.decant.pdf.Standard;
import app.decant.standards.MachineRules;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.slf4j.LoggerFactory;

/** Holds a file to the machine rules of ISO 19005 and ISO 14289, and says what those that it breaks are about. */
public final class StandardCheck {
    private static final Map<String, String> FIRST_PART = Map.of("6.2", "colours", "6.3", "fonts", "6.4", "transparency", "6.5", "annotations", "6.6",
            "actions", "6.7", "facts", "6.8", "structure", "6.9", "fields");
    private static final Map<String, String> LATER_PARTS = Map.of("6.2", "colours", "6.2.10", "transparency", "6.2.11", "fonts", "6.3", "annotations", "6.4",
            "fields", "6.5", "actions", "6.6", "facts", "6.7", "structure", "6.8", "files", "6.9", "layers");
    private static final Map<String, String> ACCESSIBLE = Map.of("7.1", "title", "7.2", "language", "7.3", "descriptions", "7.4", "headings", "7.5", "tables",
            "7.18", "annotations", "7.20", "forms", "7.21", "fonts", "7.9", "notes", "7.10", "layers");

    private StandardCheck() { }

    /**
     * What the file breaks: one sentence a rule with the clause it stands in; empty where it keeps all.
     *
     * @throws IOException where the file can't be parsed at all
     */
    public static List<Message> broken(Path file, Standard standard) throws IOException {
        return rules(file, standard).stream().map(Broken::message).toList();
    }

    /**
     * A rule that a file breaks.
     *
     * @param part    of ISO 19005; 0 for ISO 14289
     * @param clause  empty where the file as a whole is refused
     * @param message a sentence about it
     */
    public record Broken(int part, String clause, Message message) {
        /** Whether it is about what numbers of colours mean. */
        public boolean isOfInks() { return clause.startsWith(part == 1 ? "6.2.3" : "6.2.4") && part > 0; }

        /** Whether it is about what a file tells of its structure. */
        public boolean isOfStructure() { return part == 0 ? !clause.startsWith("7.21") : clause.startsWith(part == 1 ? "6.8" : "6.7"); }
    }

    /** The same with the numbers of the clauses. */
    public static List<Broken> rules(Path file, Standard standard) throws IOException {
        List<Broken> broken = new ArrayList<>();
        if (standard.isArchive()) {
            MachineRules rules = MachineRules.valueOf("PDF_A_" + standard.part() + standard.conformance().toUpperCase(Locale.ROOT));
            add(rules, file, standard.part(), standard.part() == 1 ? FIRST_PART : LATER_PARTS, broken);
        }
        if (standard.isAccessible()) add(MachineRules.PDF_UA_1, file, 0, ACCESSIBLE, broken);
        return broken;
    }

    private static void add(MachineRules rules, Path file, int part, Map<String, String> topics, List<Broken> broken) throws IOException {
        for (MachineRules.Broken rule : rules.broken(file)) {
            Message message = rule.clause().isEmpty() ? Message.of("check.rules-broken", rule.standard())
                    : Message.of("check.rule-broken", Message.of("topic." + topic(topics, rule.clause())), rule.standard(), rule.clause());
            LoggerFactory.getLogger(StandardCheck.class).info("{}: {}", message, rule.why());
            broken.add(new Broken(part, rule.clause(), message));
        }
    }

    /** What a clause is about: the topic of the longest clause that it stands in. */
    private static String topic(Map<String, String> topics, String clause) {
        String found = null;
        for (String topic : topics.keySet()) if ((clause + ".").startsWith(topic + ".") && (found == null || topic.length() > found.length())) found = topic;
        return found == null ? "build" : topics.get(found);
    }
}
