package app.decant.format.html;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import java.util.List;
import java.util.Locale;
import java.util.Objects;

/** Looks as style sheets: a rule for each paragraph style, and what single paragraphs and runs say beside it. */
final class HtmlLooks {
    private final Document document;
    private final Cascade cascade;

    HtmlLooks(Document document) {
        this.document = document;
        cascade = Cascade.of(document);
    }

    static String number(double value) {
        String text = String.format(Locale.ROOT, "%.2f", value);
        return text.replaceFirst("\\.?0+$", "");
    }

    /** A class name for a style. */
    static String className(String style) { return style == null ? null : "s-" + style.replaceAll("[^A-Za-z0-9_-]+", "-"); }

    String sheet() {
        StringBuilder css = new StringBuilder();
        Section.PageGeometry page = document.sections().get(0).page();
        css.append("@page { size: ").append(number(page.width())).append("pt ").append(number(page.height())).append("pt; margin: ")
                .append(number(page.top())).append("pt ").append(number(page.right())).append("pt ").append(number(page.bottom())).append("pt ")
                .append(number(page.left())).append("pt; }\n");
        Paragraph plain = Paragraph.of("");
        css.append("body { ").append(text(cascade.text(plain, Look.PLAIN))).append("max-width: ").append(number(page.textWidth()))
                .append("pt; margin: 2em auto; padding: 0 1em; }\n");
        css.append("p, h1, h2, h3, h4, h5, h6, li { margin: 0; font-size: inherit; font-weight: inherit; ").append(paragraph(cascade.paragraph(plain)))
                .append("}\n");
        css.append("table { border-collapse: collapse; } th { text-align: inherit; font-weight: inherit; } img { max-width: 100%; height: auto; } sup, sub "
                + "{ line-height: 0; } pre, .tabs { white-space: pre-wrap; tab-size: 8; }\n");
        for (Style style : document.styles().styles().values()) {
            if (style.kind() != Style.Kind.PARAGRAPH) continue;
            Paragraph like = new Paragraph(style.id(), Look.PLAIN, Look.PLAIN, List.of());
            String rule = paragraph(cascade.paragraph(like)) + text(cascade.text(like, Look.PLAIN));
            if (!rule.isEmpty()) css.append('.').append(className(style.id())).append(" { ").append(rule).append("}\n");
        }
        return css.toString();
    }

    /** What a paragraph says beside its style. */
    String paragraph(Paragraph paragraph, Look table) {
        Look style = cascade.paragraph(new Paragraph(paragraph.style(), Look.PLAIN, Look.PLAIN, List.of()));
        return paragraph(difference(cascade.paragraph(paragraph, table), style));
    }

    /** What a run says beside its paragraph's style. */
    Look run(Paragraph paragraph, Look own, Look table) {
        Look style = cascade.text(new Paragraph(paragraph.style(), Look.PLAIN, Look.PLAIN, List.of()), Look.PLAIN);
        return difference(cascade.text(paragraph, own, table), style);
    }

    private static Look difference(Look all, Look below) {
        Look difference = all;
        for (Property<?> property : all.properties()) if (Objects.equals(all.get(property), below.get(property))) difference = difference.without(property);
        return difference;
    }

    static String paragraph(Look look) {
        StringBuilder css = new StringBuilder();
        Alignment alignment = look.get(ParagraphProperty.ALIGNMENT);
        if (alignment != null) css.append("text-align: ").append(switch (alignment) {
            case START -> "start";
            case CENTRE -> "center";
            case END -> "end";
            case JUSTIFY -> "justify";
        }).append("; ");
        length(css, "margin-top", look.get(ParagraphProperty.SPACE_BEFORE));
        length(css, "margin-bottom", look.get(ParagraphProperty.SPACE_AFTER));
        if (look.get(ParagraphProperty.LIST) == null || look.get(ParagraphProperty.LIST).list() == null) {
            length(css, "margin-inline-start", look.get(ParagraphProperty.INDENT_START));
            length(css, "text-indent", look.get(ParagraphProperty.FIRST_LINE));
        }
        length(css, "margin-inline-end", look.get(ParagraphProperty.INDENT_END));
        LineSpacing spacing = look.get(ParagraphProperty.LINE_SPACING);
        // What a line of one and no more is differs by font; browsers take about 1.2.
        if (look.says(ParagraphProperty.HYPHENATION)) css.append("hyphens: ").append(look.is(ParagraphProperty.HYPHENATION) ? "auto; " : "manual; ");
        if (spacing != null) css.append("line-height: ").append(spacing.rule() == LineSpacing.Rule.MULTIPLE ? number(spacing.value() * 1.15)
                : number(spacing.value()) + "pt").append("; ");
        if (look.is(ParagraphProperty.PAGE_BREAK_BEFORE)) css.append("break-before: page; ");
        if (look.is(ParagraphProperty.KEEP_WITH_NEXT)) css.append("break-after: avoid; ");
        Colour shading = look.get(ParagraphProperty.SHADING);
        if (shading != null && !shading.isAutomatic()) css.append("background: #").append(shading.hex()).append("; ");
        borders(css, look.get(ParagraphProperty.BORDERS));
        return css.toString();
    }

    static void borders(StringBuilder css, Borders borders) {
        if (borders == null) return;
        border(css, "top", borders.top());
        border(css, "right", borders.right());
        border(css, "bottom", borders.bottom());
        border(css, "left", borders.left());
    }

    private static void border(StringBuilder css, String side, Border border) {
        if (border == null || !border.isVisible()) return;
        String line = switch (border.line()) {
            case DOUBLE -> "double";
            case DOTTED -> "dotted";
            case DASHED -> "dashed";
            default -> "solid";
        };
        css.append("border-").append(side).append(": ").append(number(border.width())).append("pt ").append(line).append(' ')
                .append(border.colour().isAutomatic() ? "currentColor" : "#" + border.colour().hex()).append("; ");
        if (border.space() > 0) css.append("padding-").append(side).append(": ").append(number(border.space())).append("pt; ");
    }

    private static void length(StringBuilder css, String name, Double value) {
        if (value != null) css.append(name).append(": ").append(number(value)).append(value == 0 ? "; " : "pt; ");
    }

    static String text(Look look) {
        StringBuilder css = new StringBuilder();
        String family = look.get(TextProperty.FAMILY);
        if (family != null) css.append("font-family: '").append(family.replace("'", "")).append("', ").append(kind(family)).append("; ");
        Double size = look.get(TextProperty.SIZE);
        if (size != null) css.append("font-size: ").append(number(size)).append("pt; ");
        if (look.says(TextProperty.BOLD)) css.append("font-weight: ").append(look.is(TextProperty.BOLD) ? "bold; " : "normal; ");
        if (look.says(TextProperty.ITALIC)) css.append("font-style: ").append(look.is(TextProperty.ITALIC) ? "italic; " : "normal; ");
        Colour colour = look.get(TextProperty.COLOUR);
        if (colour != null && !colour.isAutomatic()) css.append("color: #").append(colour.hex()).append("; ");
        Colour highlight = look.get(TextProperty.HIGHLIGHT);
        if (highlight != null && !highlight.isAutomatic()) css.append("background: #").append(highlight.hex()).append("; ");
        if (look.is(TextProperty.SMALL_CAPITALS)) css.append("font-variant: small-caps; ");
        if (look.is(TextProperty.CAPITALS)) css.append("text-transform: uppercase; ");
        Double spacing = look.get(TextProperty.LETTER_SPACING);
        if (spacing != null && spacing != 0) css.append("letter-spacing: ").append(number(spacing)).append("pt; ");
        return css.toString();
    }

    private static String kind(String family) {
        String lower = family.toLowerCase(Locale.ROOT);
        return lower.contains("mono") || lower.contains("courier") ? "monospace" : lower.contains("sans") || lower.contains("arial")
                || lower.contains("carlito") || lower.contains("calibri") || lower.contains("helvet") ? "sans-serif" : "serif";
    }
}
