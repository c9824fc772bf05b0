package app.decant.cli;

import picocli.CommandLine.MissingParameterException;
import picocli.CommandLine.Model.ArgSpec;
import picocli.CommandLine.Model.OptionSpec;
import picocli.CommandLine.OverwrittenOptionException;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.UnmatchedArgumentException;
import org.slf4j.LoggerFactory;

/** What is wrong with a call, in the words of this program: the parser of calls has sentences of its own, in one language. */
final class CallMistake {
    private CallMistake() { }

    /** A sentence that says what is wrong, and what was perhaps meant. */
    static String sentence(ParameterException mistake) {
        LoggerFactory.getLogger(CallMistake.class).debug("Mistaken call", mistake);
        if (mistake instanceof MissingParameterException missing && !missing.getMissing().isEmpty()) return missing(missing);
        if (mistake instanceof UnmatchedArgumentException unmatched && !unmatched.getUnmatched().isEmpty()) return unmatched(unmatched);
        if (mistake instanceof OverwrittenOptionException twice) return Words.of("call.said-twice", name(twice.getOverwritten()));
        ArgSpec argument = mistake.getArgSpec();
        if (argument == null) return Words.of("call.not-understood");
        if (mistake.getValue() == null) return Words.of("call.needs-value", name(argument), argument.paramLabel());
        boolean number = argument.type() == int.class || argument.type() == Integer.class || argument.type() == double.class;
        return Words.of(number ? "call.no-number" : "call.no-such-value", mistake.getValue(), name(argument));
    }

    private static String missing(MissingParameterException mistake) {
        ArgSpec first = mistake.getMissing().get(0);
        if (first instanceof OptionSpec) return Words.of("call.needs-value", name(first), first.paramLabel());
        return Words.of("call.needs", mistake.getCommandLine().getCommandName(), String.join(" ", mistake.getMissing().stream().map(CallMistake::name)
                .distinct().toList()));
    }

    private static String unmatched(UnmatchedArgumentException mistake) {
        String word = mistake.getUnmatched().get(0);
        // What begins otherwise is rarely a slip of the hand.
        String begins = word.substring(0, Math.min(word.length(), word.startsWith("--") ? 4 : 2));
        String meant = mistake.getSuggestions().stream().filter(one -> one.startsWith(begins)).findFirst().orElse("");
        if (mistake.isUnknownOption()) return Words.of("call.no-such-option", word.replaceFirst("=.*", ""), meant.isEmpty(), meant);
        boolean command = mistake.getCommandLine().getParent() == null;
        return command ? Words.of("call.no-such-command", word, meant.isEmpty(), meant) : Words.of("call.too-many-words", word);
    }

    private static String name(ArgSpec argument) { return argument instanceof OptionSpec option ? option.longestName() : argument.paramLabel(); }
}
