package app.decant.format.binary;

import app.decant.document.Block;
import app.decant.document.Borders;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.PageDress.LineNumbers;
import app.decant.document.PageDress;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.format.NumberCodes;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/** How the pages of a section are (MS-DOC 2.6.4); what is not said is as the format's first programs had it. */
final class SectionReading {
    private SectionReading() { }

    static Section of(List<Modifier> modifiers, Map<FramePlace, List<Block>> frames, List<Block> blocks) {
        Section.Start start = Section.Start.NEXT_PAGE;
        double width = 612;
        double height = 792;
        double[] margins = {72, 90, 72, 90};
        double gutter = 0;
        double header = 36;
        double footer = 36;
        int count = 1;
        double gap = 36;
        boolean line = false;
        boolean even = true;
        boolean first = false;
        double[] widths = new double[90];
        NumberFormat format = NumberFormat.DECIMAL;
        boolean restarts = false;
        int number = 1;
        PageDress dress = PageDress.PLAIN;
        Borders frame = null;
        int framed = 0;
        int[] lines = {0, 0, 0, 0};
        NoteCount feet = NoteCount.FOOTNOTES;
        NoteCount ends = NoteCount.ENDNOTES;
        for (Modifier one : modifiers) {
            switch (one.code()) {
                case 0x3009 -> start = Section.Start.values()[Math.min(4, one.one())];
                case 0xB01F -> width = one.two() / 20.0;
                case 0xB020 -> height = one.two() / 20.0;
                case 0xB021 -> margins[3] = one.two() / 20.0;
                case 0xB022 -> margins[1] = one.two() / 20.0;
                case 0x9023 -> margins[0] = Math.abs(one.points());
                case 0x9024 -> margins[2] = Math.abs(one.points());
                case 0xB025 -> gutter = one.two() / 20.0;
                case 0xB017 -> header = one.two() / 20.0;
                case 0xB018 -> footer = one.two() / 20.0;
                case 0x300A -> first = one.on();
                case 0x500B -> count = Math.min(44, one.two() + 1);
                case 0x900C -> gap = one.two() / 20.0;
                case 0x3019 -> line = one.on();
                case 0x3005 -> even = one.on();
                case 0xF203 -> place(widths, 2 * one.one(), one);
                case 0xF204 -> place(widths, 2 * one.one() + 1, one);
                case 0x300E -> format = switch (one.one()) {
                    case 1 -> NumberFormat.UPPER_ROMAN;
                    case 2 -> NumberFormat.LOWER_ROMAN;
                    case 3 -> NumberFormat.UPPER_LETTER;
                    case 4 -> NumberFormat.LOWER_LETTER;
                    default -> NumberFormat.DECIMAL;
                };
                case 0x3011 -> restarts = one.on();
                case 0x501C -> number = one.two();
                case 0x702B, 0x702C, 0x702D, 0x702E -> frame = LookReading.bordered(frame, one.code() - 0x702B, LookReading.old(one.operand(), 0));
                case 0xD234, 0xD235, 0xD236, 0xD237 -> frame = LookReading.bordered(frame, one.code() - 0xD234, LookReading.border(one.operand(), 0));
                case 0x522F -> framed = one.two();
                case 0x5015 -> lines[0] = one.two();
                case 0x501B -> lines[1] = one.two();
                case 0x9016 -> lines[2] = one.two();
                case 0x3013 -> lines[3] = one.one();
                case 0x301A -> dress = dress.standing(one.one() == 1 ? PageDress.Standing.MIDDLE : one.one() == 3 ? PageDress.Standing.BOTTOM
                        : PageDress.Standing.TOP);
                case 0x5040 -> feet = counted(one.two(), feet.start(), feet.bySection());
                case 0x503F -> feet = new NoteCount(feet.format(), one.two(), feet.bySection());
                case 0x303C -> feet = new NoteCount(feet.format(), feet.start(), one.one() == 1);
                case 0x5042 -> ends = counted(one.two(), ends.start(), ends.bySection());
                case 0x5041 -> ends = new NoteCount(ends.format(), one.two(), ends.bySection());
                case 0x303E -> ends = new NoteCount(ends.format(), ends.start(), one.one() == 1);
                default -> { }
            }
        }
        dress = dress.counting(feet, ends);
        if (frame != null) dress = dress.framed(frame, (framed >> 5 & 7) == 0, (framed & 7) == 1 ? PageDress.Framed.FIRST
                : (framed & 7) == 2 ? PageDress.Framed.OTHERS : PageDress.Framed.ALL);
        if (lines[0] > 0) dress = dress.numbered(new LineNumbers(Math.min(1000, lines[0]), lines[1] + 1, lines[2] <= 0 ? 18 : Math.min(144, lines[2] / 20.0),
                lines[3] == 1 ? LineNumbers.Again.SECTION : lines[3] == 2 ? LineNumbers.Again.NEVER : LineNumbers.Again.PAGE));
        List<Double> own = new ArrayList<>();
        if (!even && count > 1) Arrays.stream(widths).limit(2L * count - 1).forEach(own::add);
        Section.PageGeometry page = new Section.PageGeometry(Math.max(36, width), Math.max(36, height), margins[0], margins[1], margins[2], margins[3],
                header, footer, gutter);
        Section.Columns columns = count > 1 ? new Section.Columns(count, gap, line, own) : Section.Columns.ONE;
        return new Section(start, page, columns, new Section.PageNumbering(format, restarts ? (Integer) number : null), frames, first, blocks)
                .dressed(dress);
    }

    private static NoteCount counted(int code, int start, boolean bySection) {
        NumberFormat format = NumberCodes.format(code);
        boolean counts = format != NumberFormat.BULLET && format != NumberFormat.NONE;
        return new NoteCount(counts ? format : NumberFormat.DECIMAL, start, bySection);
    }

    private static void place(double[] widths, int at, Modifier one) { if (at < widths.length) widths[at] = Modifiers.two(one.operand(), 1) / 20.0; }
}
