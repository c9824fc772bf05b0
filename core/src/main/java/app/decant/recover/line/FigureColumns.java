package app.decant.recover.line;

import app.decant.pdf.read.Glyph;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Parts figures of neighbouring columns that stand so close that they look like words of one line: where at one place several rows leave more room than
 * between words, and none has a figure.
 */
public final class FigureColumns {
    /** Between words is less room, in ems. */
    private static final double APART = 0.42;
    /** So many rows have to agree, none of them farther from the row than this, in ems; those next to it must not have a figure there. */
    private static final int ROWS = 3;
    private static final double FARTHEST = 36;
    private static final double NEXT = 3;
    /** What rows leave free in common, at least, in points. */
    private static final double COMMON = 1.5;

    /** What is written without a blank. */
    private record Token(double left, double right, List<Glyph> glyphs) { }

    private record Row(Chunk chunk, List<Token> tokens) {
        boolean covers(double x) { return tokens.stream().anyMatch(token -> token.left < x && token.right > x); }

        boolean leaves(double from, double to) {
            for (int i = 1; i < tokens.size(); i++)
                if (Math.min(to, tokens.get(i).left) - Math.max(from, tokens.get(i - 1).right) > COMMON) return true;
            return false;
        }
    }

    private FigureColumns() { }

    public static List<Chunk> cut(List<Chunk> chunks) {
        List<Row> rows = new ArrayList<>();
        for (Chunk chunk : chunks) if (isFigures(chunk)) rows.add(new Row(chunk, tokens(chunk)));
        if (rows.size() < ROWS) return chunks;
        rows.sort(Comparator.comparingDouble(row -> row.chunk.baseline()));
        Map<Chunk, List<Chunk>> pieces = new IdentityHashMap<>();
        for (int i = 0; i < rows.size(); i++) {
            List<Chunk> own = pieces(rows, i);
            if (own.size() > 1) pieces.put(rows.get(i).chunk, own);
        }
        if (pieces.isEmpty()) return chunks;
        List<Chunk> result = new ArrayList<>();
        for (Chunk chunk : chunks) result.addAll(pieces.getOrDefault(chunk, List.of(chunk)));
        return result;
    }

    private static List<Chunk> pieces(List<Row> rows, int at) {
        Row row = rows.get(at);
        Map<Glyph, Integer> columns = new IdentityHashMap<>();
        int column = 0;
        for (int i = 0; i < row.tokens.size(); i++) {
            if (i > 0 && isBetweenColumns(rows, at, row.tokens.get(i - 1).right, row.tokens.get(i).left)) column++;
            for (Glyph glyph : row.tokens.get(i).glyphs) columns.put(glyph, column);
        }
        return column == 0 ? List.of(row.chunk) : row.chunk.cut(columns::get);
    }

    private static boolean isBetweenColumns(List<Row> rows, int at, double from, double to) {
        Chunk chunk = rows.get(at).chunk;
        if (to - from < APART * chunk.size()) return false;
        int agreeing = 1;
        for (int step : new int[] {-1, 1}) {
            for (int i = at + step; i >= 0 && i < rows.size(); i += step) {
                double away = Math.abs(rows.get(i).chunk.baseline() - chunk.baseline()) / chunk.size();
                boolean covered = rows.get(i).covers((from + to) / 2);
                if (covered && away < NEXT) return false;
                if (covered || away > FARTHEST) break;
                if (rows.get(i).leaves(from, to)) agreeing++;
            }
        }
        return agreeing >= ROWS;
    }

    /** Whether nothing of it is a letter, and something a digit or the point that stands where there is none. */
    private static boolean isFigures(Chunk chunk) {
        String text = chunk.text();
        return text.length() < 200 && text.codePoints().noneMatch(Character::isLetter)
                && text.codePoints().anyMatch(point -> Character.isDigit(point) || point == '.');
    }

    private static List<Token> tokens(Chunk chunk) {
        List<Token> tokens = new ArrayList<>();
        List<Glyph> current = new ArrayList<>();
        for (Glyph glyph : chunk.glyphs()) {
            if (!glyph.isSpace()) {
                current.add(glyph);
                continue;
            }
            end(current, tokens);
            current = new ArrayList<>();
        }
        end(current, tokens);
        return tokens;
    }

    private static void end(List<Glyph> glyphs, List<Token> tokens) {
        if (!glyphs.isEmpty()) tokens.add(new Token(glyphs.get(0).x(), glyphs.get(glyphs.size() - 1).right(), glyphs));
    }
}
