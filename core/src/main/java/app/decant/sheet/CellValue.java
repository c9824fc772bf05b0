package app.decant.sheet;

/** What a cell holds; dates are numbers that a format shows as such. */
public sealed interface CellValue {
    /** Nothing: the cell is there for its look. */
    CellValue EMPTY = new Empty();

    record Empty() implements CellValue { }

    record Number(double value) implements CellValue { }

    record Text(String text) implements CellValue { }

    record Truth(boolean value) implements CellValue { }

    /** What a formula came to that can't be worked out, as people know it: {@code #DIV/0!} (ISO/IEC 29500-1, 18.18.11). */
    record Failure(String code) implements CellValue { }
}
