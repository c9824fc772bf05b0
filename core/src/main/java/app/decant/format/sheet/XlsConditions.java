package app.decant.format.sheet;

import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.sheet.CellDress;
import app.decant.sheet.Condition;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Range;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import org.apache.poi.hssf.usermodel.HSSFConditionalFormatting;
import org.apache.poi.hssf.usermodel.HSSFConditionalFormattingRule;
import org.apache.poi.hssf.usermodel.HSSFSheetConditionalFormatting;
import org.apache.poi.ss.usermodel.ComparisonOperator;
import org.apache.poi.ss.usermodel.ConditionType;
import org.apache.poi.ss.usermodel.FontFormatting;
import org.apache.poi.ss.usermodel.PatternFormatting;
import org.apache.poi.ss.util.CellRangeAddress;
import org.slf4j.LoggerFactory;

/** Rules by which cells look otherwise, as the common library reads them from binary workbooks ([MS-XLS], 2.4.42 and 2.4.43). */
final class XlsConditions {
    private final Function<Short, Colour> palette;
    private final List<Condition> conditions = new ArrayList<>();
    private int unknown;

    /** @param palette the colours of the workbook by their number */
    XlsConditions(Function<Short, Colour> palette) { this.palette = palette; }

    /** Of a sheet, in the order in which they count. */
    List<Condition> conditions() { return conditions; }

    /** How many can't be followed. */
    int unknown() { return unknown; }

    void read(HSSFSheetConditionalFormatting rules) {
        for (int i = 0; i < rules.getNumConditionalFormattings(); i++) {
            HSSFConditionalFormatting some = rules.getConditionalFormattingAt(i);
            List<Range> places = Arrays.stream(some.getFormattingRanges()).map(XlsConditions::range).toList();
            for (int r = 0; r < some.getNumberOfRules(); r++) {
                Condition.Rule rule = places.isEmpty() ? null : rule(some.getRule(r));
                if (rule == null) unknown++;
                // Of the rules about a cell, the first that holds is the only one.
                else conditions.add(new Condition(places, conditions.size(), true, rule));
            }
        }
    }

    private static Range range(CellRangeAddress one) { return new Range(one.getFirstRow(), one.getFirstColumn(), one.getLastRow(), one.getLastColumn()); }

    private Condition.Rule rule(HSSFConditionalFormattingRule rule) {
        try {
            CellDress dress = dress(rule);
            if (rule.getConditionType() == ConditionType.FORMULA) return new Condition.Formula(rule.getFormula1(), dress);
            if (rule.getConditionType() != ConditionType.CELL_VALUE_IS) return null;
            Comparison comparison = switch (rule.getComparisonOperation()) {
                case ComparisonOperator.BETWEEN -> Comparison.BETWEEN;
                case ComparisonOperator.NOT_BETWEEN -> Comparison.OUTSIDE;
                case ComparisonOperator.EQUAL -> Comparison.EQUAL;
                case ComparisonOperator.NOT_EQUAL -> Comparison.OTHER;
                case ComparisonOperator.GT -> Comparison.MORE;
                case ComparisonOperator.LT -> Comparison.LESS;
                case ComparisonOperator.GE -> Comparison.AT_LEAST;
                default -> Comparison.AT_MOST;
            };
            return new Condition.Compared(comparison, rule.getFormula1(), rule.getFormula2(), dress);
        } catch (RuntimeException e) {
            // The library gives up in many ways over formulas it can't tell.
            LoggerFactory.getLogger(XlsConditions.class).debug("A rule can't be read", e);
            return null;
        }
    }

    private CellDress dress(HSSFConditionalFormattingRule rule) {
        FontFormatting letters = rule.getFontFormatting();
        Look font = Look.PLAIN;
        if (letters != null) {
            if (letters.isBold()) font = font.with(TextProperty.BOLD, true);
            if (letters.isItalic()) font = font.with(TextProperty.ITALIC, true);
            if (letters.isStruckout()) font = font.with(TextProperty.STRIKE, true);
            if (letters.getUnderlineType() > 0) font = font.with(TextProperty.UNDERLINE, Underline.SINGLE);
            Colour ink = letters.getFontColorIndex() > 0 ? palette.apply(letters.getFontColorIndex()) : null;
            if (ink != null) font = font.with(TextProperty.COLOUR, ink);
        }
        PatternFormatting pattern = rule.getPatternFormatting();
        // As in the newer files, the back of a pattern is the colour of a solid one.
        Colour fill = pattern == null ? null : palette.apply(pattern.getFillBackgroundColor());
        return new CellDress(font, fill, null, null);
    }
}
