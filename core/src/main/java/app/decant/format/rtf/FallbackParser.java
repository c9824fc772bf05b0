package app.decant.format.rtf;

import com.rtfparserkit.parser.standard.StandardRtfParser;
import com.rtfparserkit.rtf.Command;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.EnumSet;
import java.util.Set;

/**
 * Passes over what stands after a Unicode character for readers that know none (Rich Text Format 1.9.1, “Unicode RTF”). The library counts in runs of
 * bytes and past the end of the group, and so takes a letter of the text now and then.
 */
final class FallbackParser extends StandardRtfParser {
    /** Words and symbols that stand for one character; any other ends what is passed over, since it may be the end of the paragraph. */
    private static final Set<Command> CHARACTERS = EnumSet.of(Command.emdash, Command.endash, Command.emspace, Command.enspace, Command.qmspace,
            Command.bullet, Command.lquote, Command.rquote, Command.ldblquote, Command.rdblquote, Command.backslash, Command.opencurly, Command.closecurly,
            Command.nonbreakingspace, Command.nonbreakinghyphen, Command.optionalhyphen);

    /** How many characters stand after a Unicode one, group by group. */
    private final Deque<Integer> counts = new ArrayDeque<>();
    private int count = 1;
    private int left;

    @Override public void processGroupStart() {
        left = 0;
        counts.push(count);
        super.processGroupStart();
    }

    @Override public void processGroupEnd() {
        left = 0;
        if (!counts.isEmpty()) count = counts.pop();
        super.processGroupEnd();
    }

    @Override public void processCharacterBytes(byte[] bytes) {
        int passed = Math.min(left, bytes.length);
        left -= passed;
        super.processCharacterBytes(passed == 0 ? bytes : Arrays.copyOfRange(bytes, passed, bytes.length));
    }

    @Override public void processBinaryBytes(byte[] bytes) {
        left = 0;
        super.processBinaryBytes(bytes);
    }

    @Override public void processCommand(Command command, int parameter, boolean given, boolean optional) {
        if (left > 0 && CHARACTERS.contains(command)) {
            left--;
            return;
        }
        left = 0;
        super.processCommand(command, parameter, given, optional);
        if (command == Command.uc) {
            count = Math.max(0, parameter);
        } else if (command == Command.u && count > 0) {
            left = count;
            // The library's own count is ended by any byte; none is left over of it.
            super.processCharacterBytes(new byte[1]);
        }
    }
}
