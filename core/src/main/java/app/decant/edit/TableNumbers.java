package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import java.math.BigDecimal;
import java.util.regex.Pattern;

/** The numbers that cells of a table hold, written as people write them. */
public final class TableNumbers {
    private static final Pattern BESIDE = Pattern.compile("[\\s\u00A0\u202F\u2009'\u2019\\p{Sc}]");
    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d[\\d.,]*%?");
    private static final Pattern THOUSANDS = Pattern.compile("[+-]?\\d{1,3}([.,]\\d{3})+%?");

    private TableNumbers() { }

    /**
     * The sum of numbers.
     *
     * @param count how many there were
     */
    public record Sum(BigDecimal value, int count) { }

    /** The sum of the numbers in cells that are picked; null where fewer than two hold one. */
    public static Sum sum(Document document, CellSelection picked) {
        Table table = (Table) document.find(picked.story(), picked.table());
        BigDecimal sum = BigDecimal.ZERO;
        int count = 0;
        for (CellSelection.Corner corner : picked.cells(document)) {
            BigDecimal number = of(text(table.rows().get(corner.row()).cells().get(corner.cell())));
            if (number == null) continue;
            sum = sum.add(number);
            count++;
        }
        return count < 2 ? null : new Sum(sum, count);
    }

    /** What a cell says, its paragraphs behind one another. */
    static String text(Table.Cell cell) {
        StringBuilder text = new StringBuilder();
        for (Block block : cell.blocks()) if (block instanceof Paragraph paragraph) text.append(paragraph.plainText()).append(' ');
        return text.toString().strip();
    }

    /**
     * The number that a text is, or null. The last of stops and commas is the decimal sign, but for one kind of them alone with three digits behind each,
     * which parts thousands (common practice, no source).
     */
    static BigDecimal of(String text) {
        String plain = BESIDE.matcher(text).replaceAll("").replace('\u2212', '-').replace('\u2013', '-');
        boolean owed = plain.startsWith("(") && plain.endsWith(")");
        if (owed) plain = "-" + plain.substring(1, plain.length() - 1);
        if (!NUMBER.matcher(plain).matches()) return null;
        boolean share = plain.endsWith("%");
        if (share) plain = plain.substring(0, plain.length() - 1);
        int stop = plain.lastIndexOf('.');
        int comma = plain.lastIndexOf(',');
        boolean both = stop >= 0 && comma >= 0;
        // A lone stop with three digits behind it is read as a decimal sign, as most files mean it.
        boolean parts = !both && THOUSANDS.matcher(plain).matches() && (comma >= 0 || plain.indexOf('.') != stop);
        int sign = parts ? -1 : Math.max(stop, comma);
        String whole = (sign < 0 ? plain : plain.substring(0, sign)).replaceAll("[.,]", "");
        String rest = sign < 0 ? "" : plain.substring(sign + 1).replaceAll("[.,]", "");
        BigDecimal number = new BigDecimal(rest.isEmpty() ? whole : whole + "." + rest);
        return share ? number.movePointLeft(2) : number;
    }
}
