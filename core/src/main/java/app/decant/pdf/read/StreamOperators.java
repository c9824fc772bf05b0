package app.decant.pdf.read;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.pdfparser.PDFStreamParser;

/** The operators of a content stream, and which of its bytes each takes (ISO 32000-2, 7.8.2). */
public final class StreamOperators {
    /**
     * One operator.
     *
     * @param from where the first of its operands begins, or the space before it
     * @param to   where the next begins
     */
    public record Found(String name, List<COSBase> operands, int from, int to) { }

    /** All that there are (annex A). */
    private static final Set<String> STANDARD = Set.of(("b B b* B* BDC BI BMC BT BX c cm CS cs d d0 d1 Do DP EI EMC ET EX f F f* G g gs h i ID j J K k l m M MP"
            + " n q Q re RG rg ri s S SC sc SCN scn sh T* Tc Td TD Tf Tj TJ TL Tm Tr Ts Tw Tz v w W W* y ' \"").split(" "));

    private final List<Found> found = new ArrayList<>();

    private StreamOperators() { }

    /** @throws IOException where the stream can't be parsed to its end */
    public static List<Found> of(byte[] content) throws IOException {
        StreamOperators operators = new StreamOperators();
        Parser parser = new Parser(content);
        try {
            operators.read(parser);
        } finally {
            parser.close();
        }
        return operators.found;
    }

    /** Whether a stream has an operator that there is not, which another had not either: readers make of that what they like. */
    public static boolean hasUnknown(byte[] content, byte[] other) throws IOException {
        Set<String> names = new HashSet<>();
        for (Found one : of(content)) names.add(one.name);
        names.removeAll(STANDARD);
        if (names.isEmpty()) return false;
        for (Found one : of(other)) names.remove(one.name);
        return !names.isEmpty();
    }

    private void read(Parser parser) throws IOException {
        List<COSBase> operands = new ArrayList<>();
        int from = 0;
        for (Object token = parser.parseNextToken(); token != null; token = parser.parseNextToken()) {
            if (token instanceof Operator operator) {
                int to = parser.position();
                found.add(new Found(operator.getName(), operands, from, to));
                operands = new ArrayList<>();
                from = to;
            } else {
                operands.add((COSBase) token);
            }
        }
    }

    /** Tells where it is. */
    private static final class Parser extends PDFStreamParser {
        Parser(byte[] content) { super(content); }

        int position() throws IOException { return (int) source.getPosition(); }
    }
}
