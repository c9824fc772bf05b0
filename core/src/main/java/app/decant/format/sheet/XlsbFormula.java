package app.decant.format.sheet;

import app.decant.sheet.Range;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.formula.function.FunctionMetadata;
import org.apache.poi.ss.formula.function.FunctionMetadataRegistry;
import org.apache.poi.ss.usermodel.FormulaError;
import org.apache.poi.ss.util.NumberToTextConverter;

/** Formulas of binary workbooks, told in operands and operators one after another ([MS-XLSB] 2.2.2), as one writes them. */
final class XlsbFormula {
    private static final Map<Integer, String> BETWEEN = Map.ofEntries(Map.entry(0x03, "+"), Map.entry(0x04, "-"), Map.entry(0x05, "*"), Map.entry(0x06, "/"),
            Map.entry(0x07, "^"), Map.entry(0x08, "&"), Map.entry(0x09, "<"), Map.entry(0x0A, "<="), Map.entry(0x0B, "="), Map.entry(0x0C, ">="),
            Map.entry(0x0D, ">"), Map.entry(0x0E, "<>"), Map.entry(0x0F, " "), Map.entry(0x10, ","), Map.entry(0x11, ":"));
    private static final int CALLED = 255;
    private static final int LONGEST = 1 << 15;

    private final Names names;
    private final int row;
    private final int column;

    /** What formulas name. */
    interface Names {
        /** A defined name by its number from 1, or null. */
        String name(int number);

        /** The sheets of an entry as they are written before a cell, with the mark behind; null for those of other files. */
        String sheets(int entry);
    }

    private XlsbFormula(Names names, int row, int column) {
        this.names = names;
        this.row = row;
        this.column = column;
    }

    /**
     * A formula as it is written; null where it holds something that has no writing here.
     *
     * @param row    of its cell, as is {@code column}, from 0: formulas of many cells are told by how far away others are
     * @param more   what follows its operators: the values of its arrays
     */
    static String of(byte[] told, byte[] more, Names names, int row, int column) {
        try {
            return new XlsbFormula(names, row, column).written(ByteBuffer.wrap(told).order(ByteOrder.LITTLE_ENDIAN),
                    ByteBuffer.wrap(more).order(ByteOrder.LITTLE_ENDIAN));
        } catch (BufferUnderflowException | IllegalArgumentException e) {
            // Told to the user, who keeps the value.
            return null;
        }
    }

    /** The place of the formula for many cells that one of them has; null for any other. */
    static int[] shared(byte[] told, byte[] more) {
        if (told.length < 5 || told[0] != 1 || more.length < 4) return null;
        return new int[] {ByteBuffer.wrap(told, 1, 4).order(ByteOrder.LITTLE_ENDIAN).getInt(), ByteBuffer.wrap(more).order(ByteOrder.LITTLE_ENDIAN).getInt()};
    }

    private String written(ByteBuffer in, ByteBuffer more) {
        Deque<String> stack = new ArrayDeque<>();
        while (in.hasRemaining()) {
            int token = in.get() & 0xFF;
            int kind = token < 0x20 ? token : token & 0x1F | 0x20;
            if (BETWEEN.containsKey(kind)) {
                String right = pop(stack);
                stack.push(pop(stack) + BETWEEN.get(kind) + right);
            } else if (kind == 0x19) {
                attribute(in, stack);
            } else if (kind == 0x21 || kind == 0x22) {
                stack.push(called(in, kind == 0x22, stack));
            } else if (kind == 0x26 || kind == 0x27 || kind == 0x28 || kind == 0x29) {
                in.position(in.position() + (kind == 0x29 ? 2 : 6));
            } else {
                stack.push(operand(kind, in, more, stack));
            }
            if (stack.peek() != null && stack.peek().length() > LONGEST) throw new IllegalArgumentException("Longer than any formula");
        }
        if (stack.size() != 1) throw new IllegalArgumentException("Operands are left");
        return stack.pop();
    }

    private static String pop(Deque<String> stack) {
        if (stack.isEmpty()) throw new IllegalArgumentException("An operand is missing");
        return stack.pop();
    }

    private String operand(int kind, ByteBuffer in, ByteBuffer more, Deque<String> stack) {
        return switch (kind) {
            case 0x12 -> "+" + pop(stack);
            case 0x13 -> "-" + pop(stack);
            case 0x14 -> pop(stack) + "%";
            case 0x15 -> "(" + pop(stack) + ")";
            case 0x16 -> "";
            case 0x17 -> quoted(letters(in, in.getShort() & 0xFFFF));
            case 0x1C -> FormulaError.forInt(in.get()).getString();
            case 0x1D -> in.get() == 0 ? "FALSE" : "TRUE";
            case 0x1E -> Integer.toString(in.getShort() & 0xFFFF);
            case 0x1F -> NumberToTextConverter.toText(in.getDouble());
            case 0x20 -> {
                in.position(in.position() + 14);
                yield array(more);
            }
            case 0x23 -> told(names.name(in.getInt()));
            case 0x24 -> cell(in, false);
            case 0x25 -> area(in, false);
            case 0x2A -> error(in, 6);
            case 0x2B -> error(in, 12);
            case 0x2C -> cell(in, true);
            case 0x2D -> area(in, true);
            case 0x39 -> {
                told(names.sheets(in.getShort() & 0xFFFF));
                yield told(names.name(in.getInt()));
            }
            case 0x3A -> told(names.sheets(in.getShort() & 0xFFFF)) + cell(in, false);
            case 0x3B -> told(names.sheets(in.getShort() & 0xFFFF)) + area(in, false);
            case 0x3C -> told(names.sheets(in.getShort() & 0xFFFF)) + error(in, 6);
            case 0x3D -> told(names.sheets(in.getShort() & 0xFFFF)) + error(in, 12);
            default -> throw new IllegalArgumentException("Operand " + kind);
        };
    }

    private static String told(String found) {
        if (found == null) throw new IllegalArgumentException("Nothing of the name");
        return found;
    }

    private static String error(ByteBuffer in, int bytes) {
        in.position(in.position() + bytes);
        return FormulaError.REF.getString();
    }

    private static String letters(ByteBuffer in, int count) {
        StringBuilder letters = new StringBuilder();
        for (int i = 0; i < count; i++) letters.append(in.getChar());
        return letters.toString();
    }

    private static String quoted(String text) { return '"' + text.replace("\"", "\"\"") + '"'; }

    private String cell(ByteBuffer in, boolean away) {
        int toRow = in.getInt();
        return cell(toRow, in.getShort() & 0xFFFF, away);
    }

    private String area(ByteBuffer in, boolean away) {
        int top = in.getInt();
        int bottom = in.getInt();
        int left = in.getShort() & 0xFFFF;
        int right = in.getShort() & 0xFFFF;
        boolean rows = (left & 0x3FFF) == 0 && (right & 0x3FFF) == Range.MOST_COLUMNS - 1 && !away;
        if (rows) return ((left & 0x8000) == 0 ? "$" : "") + (top + 1) + ":" + ((right & 0x8000) == 0 ? "$" : "") + (bottom + 1);
        if (top == 0 && bottom == Range.MOST_ROWS - 1 && !away) return column(left, false) + ":" + column(right, false);
        return cell(top, left, away) + ":" + cell(bottom, right, away);
    }

    /** A cell: the upper two bits of its column tell what of it moves with the formula. */
    private String cell(int toRow, int toColumn, boolean away) {
        boolean free = (toColumn & 0x8000) != 0;
        int at = away && free ? Math.floorMod(row + toRow, Range.MOST_ROWS) : toRow;
        return column(toColumn, away) + (free ? "" : "$") + (at + 1);
    }

    private String column(int told, boolean away) {
        boolean free = (told & 0x4000) != 0;
        int at = told & 0x3FFF;
        if (away && free) at = Math.floorMod(column + at, Range.MOST_COLUMNS);
        return (free ? "" : "$") + Range.letters(at);
    }

    private static void attribute(ByteBuffer in, Deque<String> stack) {
        int what = in.get() & 0xFF;
        int data = in.getShort() & 0xFFFF;
        if (what == 0x10) stack.push("SUM(" + pop(stack) + ")");
        else if ((what & 0x04) != 0) in.position(in.position() + 2 * (data + 1));
    }

    private String called(ByteBuffer in, boolean counted, Deque<String> stack) {
        int count = counted ? in.get() & 0x7F : -1;
        int number = in.getShort() & 0x7FFF;
        FunctionMetadata function = number == CALLED ? null : FunctionMetadataRegistry.getFunctionByIndex(number);
        if (number != CALLED && function == null) throw new IllegalArgumentException("Function " + number);
        if (count < 0) count = function.getMinParams();
        List<String> arguments = new ArrayList<>();
        for (int i = 0; i < count; i++) arguments.add(pop(stack));
        Collections.reverse(arguments);
        String name = function == null ? arguments.remove(0) : function.getName();
        return name + "(" + String.join(",", arguments) + ")";
    }

    private static String array(ByteBuffer more) {
        int columns = more.getInt();
        int rows = more.getInt();
        if (columns < 1 || rows < 1 || (long) columns * rows > LONGEST) throw new IllegalArgumentException("An array of nothing");
        StringBuilder text = new StringBuilder("{");
        for (int r = 0; r < rows; r++) {
            for (int c = 0; c < columns; c++) {
                text.append(c > 0 ? "," : r > 0 ? ";" : "").append(switch (more.get()) {
                    case 0 -> NumberToTextConverter.toText(more.getDouble());
                    case 1 -> quoted(letters(more, more.getShort() & 0xFFFF));
                    case 2 -> more.get() == 0 ? "FALSE" : "TRUE";
                    case 4 -> {
                        String error = FormulaError.forInt(more.get()).getString();
                        more.position(more.position() + 3);
                        yield error;
                    }
                    default -> throw new IllegalArgumentException("A value of no kind");
                });
            }
        }
        return text.append('}').toString();
    }
}
