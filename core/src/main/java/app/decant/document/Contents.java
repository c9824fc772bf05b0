package app.decant.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A list of what a document holds, with pages. Its entries are ordinary paragraphs; in a list of headings they lead to these and
 * {@linkplain ContentsList follow} them, and the page numbers in them are fields.
 *
 * @param fromLevel   the outermost heading level listed, 1 or more
 * @param toLevel     the innermost
 * @param instruction of the field that the list is (ISO/IEC 29500-1, 17.16.5.68), as its file says it; null for a plain list of headings
 * @param entries     as they stand now
 */
public record Contents(int fromLevel, int toLevel, String instruction, List<Paragraph> entries) implements Block {
    private static final Pattern LEVELS = Pattern.compile("\\\\o\\s+\"?(\\d)\\s*-\\s*(\\d)");
    private static final Pattern CAPTIONS = Pattern.compile("\\\\[cC]\\s+(?:\"([^\"]+)\"|([^\\s\"\\\\]+))");
    private static final Pattern HEADINGS = Pattern.compile("\\\\[oOuUtT](?![a-zA-Z])");
    private static final Pattern OTHERS = Pattern.compile("\\\\[acfACF](?![a-zA-Z])");
    private static final int INNERMOST = 3;

    public Contents { entries = List.copyOf(entries); }

    /** A plain list of headings. */
    public Contents(int fromLevel, int toLevel, List<Paragraph> entries) { this(fromLevel, toLevel, null, entries); }

    /** The list that a field makes; of the first three levels where it names none. */
    public static Contents of(String instruction, List<Paragraph> entries) {
        Matcher levels = LEVELS.matcher(instruction);
        boolean told = levels.find();
        int from = told ? Math.max(1, Integer.parseInt(levels.group(1))) : 1;
        Contents plain = new Contents(from, told ? Math.max(from, Integer.parseInt(levels.group(2))) : INNERMOST, entries);
        String words = instruction.trim();
        return words.equals(plain.field()) ? plain : new Contents(plain.fromLevel, plain.toLevel, words, entries);
    }

    /** A list of what bears captions counted in one sequence: figures, tables. */
    public static Contents ofCaptions(String sequence) { return of("TOC \\c \"" + sequence.replace('"', ' ') + "\"", List.of()); }

    /**
     * Entries of contents lists, one behind another, made lists.
     *
     * @param entries the instruction of its list by each entry, by identity
     */
    public static List<Block> grouped(List<Block> blocks, Map<Paragraph, String> entries) {
        if (entries.isEmpty()) return blocks;
        List<Block> result = new ArrayList<>();
        List<Paragraph> list = new ArrayList<>();
        String instruction = null;
        for (Block block : blocks) {
            String told = block instanceof Paragraph paragraph ? entries.get(paragraph) : null;
            if (!list.isEmpty() && !instruction.equals(told)) {
                result.add(of(instruction, list));
                list = new ArrayList<>();
            }
            instruction = told;
            if (told == null) result.add(block);
            else list.add((Paragraph) block);
        }
        if (!list.isEmpty()) result.add(of(instruction, list));
        return result;
    }

    /** Whether headings are what is listed, not captions or entries of their own. */
    public boolean listsHeadings() { return instruction == null || HEADINGS.matcher(instruction).find() || !OTHERS.matcher(instruction).find(); }

    /** The sequence of the captions listed; null where it lists something else. */
    public String captions() {
        Matcher sequence = instruction == null ? null : CAPTIONS.matcher(instruction);
        if (sequence == null || !sequence.find()) return null;
        return sequence.group(1) == null ? sequence.group(2) : sequence.group(1);
    }

    /** What makes the list as a field. */
    public String field() { return instruction == null ? "TOC \\o \"" + fromLevel + "-" + toLevel + "\" \\h \\z \\u" : instruction; }

    public Contents withEntries(List<Paragraph> others) { return new Contents(fromLevel, toLevel, instruction, others); }
}
