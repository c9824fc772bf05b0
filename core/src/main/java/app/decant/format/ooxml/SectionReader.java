package app.decant.format.ooxml;

import app.decant.document.Block;
import app.decant.document.Finding;
import app.decant.document.NoteCount;
import app.decant.document.NumberFormat;
import app.decant.document.PageDress.LineNumbers;
import app.decant.document.PageDress;
import app.decant.document.Section.Columns;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section.PageNumbering;
import app.decant.document.Section;
import app.decant.format.OfficePackage;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** Reads section properties (ISO/IEC 29500-1, 17.6). */
final class SectionReader {
    private static final PageGeometry LETTER = new PageGeometry(612, 792, 72, 72, 72, 72, 36, 36, 0);

    /** Of numbers from their lines, where it is left to the program. */
    private static final double DISTANCE = 18;

    private SectionReader() { }

    static Section section(XmlNode node, StoryReader story) {
        if (node == null) return new Section(Section.Start.NEXT_PAGE, LETTER, Columns.ONE, PageNumbering.CONTINUED, Map.of(), false, List.of());
        XmlNode running = node.child("w:textDirection");
        if (running != null && !running.get("w:val", "").matches("lrTb|tb"))
            story.reader.findOnce(Finding.changed(Message.of("ooxml.text-turned-sideways-is-set-upright")));
        Map<FramePlace, List<Block>> frames = new EnumMap<>(FramePlace.class);
        for (XmlNode child : node.children()) {
            boolean header = child.is("w:headerReference");
            if (!header && !child.is("w:footerReference")) continue;
            OfficePackage.Relation relation = story.relation(child.get("r:id"));
            if (relation == null || relation.outside()) continue;
            FramePlace place = switch (child.get("w:type", "default")) {
                case "first" -> header ? FramePlace.FIRST_HEADER : FramePlace.FIRST_FOOTER;
                case "even" -> header ? FramePlace.EVEN_HEADER : FramePlace.EVEN_FOOTER;
                default -> header ? FramePlace.HEADER : FramePlace.FOOTER;
            };
            List<Block> blocks = story.reader.frame(relation.target());
            if (blocks != null) frames.put(place, blocks);
        }
        Section.Start start = node.child("w:type") == null ? Section.Start.NEXT_PAGE : switch (node.child("w:type").get("w:val", "nextPage")) {
            case "continuous" -> Section.Start.CONTINUOUS;
            case "nextColumn" -> Section.Start.NEXT_COLUMN;
            case "evenPage" -> Section.Start.EVEN_PAGE;
            case "oddPage" -> Section.Start.ODD_PAGE;
            default -> Section.Start.NEXT_PAGE;
        };
        return new Section(start, geometry(node), columns(node.child("w:cols")), numbering(node.child("w:pgNumType")), frames,
                Boolean.TRUE.equals(Units.flag(node, "w:titlePg")), List.of(), kept(node), dress(node, story.reader.settings()));
    }

    /** 17.11.4 and 17.11.11; counts that begin again with each page go on here. */
    static NoteCount notes(XmlNode told, NoteCount otherwise) {
        if (told == null) return otherwise;
        NumberFormat format = told.child("w:numFmt") == null ? otherwise.format() : NumberingPart.format(told.child("w:numFmt").get("w:val", "decimal"));
        Integer start = Units.whole(told.child("w:numStart"), "w:val");
        XmlNode again = told.child("w:numRestart");
        boolean counts = format != NumberFormat.BULLET && format != NumberFormat.NONE;
        return new NoteCount(counts ? format : NumberFormat.DECIMAL, start == null ? otherwise.start() : start,
                again == null ? otherwise.bySection() : again.get("w:val", "").equals("eachSect"));
    }

    private static PageDress dress(XmlNode node, XmlNode settings) {
        PageDress dress = PageDress.PLAIN;
        XmlNode borders = node.child("w:pgBorders");
        if (borders != null) dress = dress.framed(LookReader.borders(borders), !borders.get("w:offsetFrom", "text").equals("page"),
                switch (borders.get("w:display", "allPages")) {
                    case "firstPage" -> PageDress.Framed.FIRST;
                    case "notFirstPage" -> PageDress.Framed.OTHERS;
                    default -> PageDress.Framed.ALL;
                });
        XmlNode numbers = node.child("w:lnNumType");
        Integer every = numbers == null ? null : Units.whole(numbers, "w:countBy");
        if (every != null && every > 0) {
            Double distance = Units.twips(numbers, "w:distance");
            Integer start = Units.whole(numbers, "w:start");
            // What is stored is one less than the first number: common practice, no source.
            dress = dress.numbered(new PageDress.LineNumbers(Math.min(every, 1000), start == null ? 1 : start + 1, distance == null || distance <= 0
                    ? DISTANCE : Math.min(distance, 144), switch (numbers.get("w:restart", "newPage")) {
                        case "newSection" -> LineNumbers.Again.SECTION;
                        case "continuous" -> LineNumbers.Again.NEVER;
                        default -> LineNumbers.Again.PAGE;
                    }));
        }
        XmlNode standing = node.child("w:vAlign");
        NoteCount feet = notes(node.child("w:footnotePr"), notes(settings == null ? null : settings.child("w:footnotePr"), NoteCount.FOOTNOTES));
        NoteCount ends = notes(node.child("w:endnotePr"), notes(settings == null ? null : settings.child("w:endnotePr"), NoteCount.ENDNOTES));
        return dress.counting(feet, ends).standing(switch (standing == null ? "top" : standing.get("w:val", "top")) {
            case "center" -> PageDress.Standing.MIDDLE;
            case "bottom" -> PageDress.Standing.BOTTOM;
            default -> PageDress.Standing.TOP;
        });
    }

    /** What is not read is given back as it is: lines round pages, numbers of lines, how lines stand on a grid and text on the page (17.6). */
    private static List<String> kept(XmlNode node) {
        return node.children().stream().filter(child -> SectionMarkup.KEPT.contains(child.name())).map(XmlNode::markup).toList();
    }

    private static PageGeometry geometry(XmlNode node) {
        XmlNode size = node.child("w:pgSz");
        XmlNode margins = node.child("w:pgMar");
        double width = bounded(Units.twips(size, "w:w"), LETTER.width(), 36, 14400);
        double height = bounded(Units.twips(size, "w:h"), LETTER.height(), 36, 14400);
        PageGeometry read = new PageGeometry(width, height, side(margins, "w:top", 72, height), side(margins, "w:right", 72, width),
                side(margins, "w:bottom", 72, height),
                side(margins, "w:left", 72, width), side(margins, "w:header", 36, height), side(margins, "w:footer", 36, height),
                        side(margins, "w:gutter", 0, width));
        if (read.textWidth() >= 18) return read;
        // Margins that leave no room for text are halved until they do.
        return new PageGeometry(width, height, read.top(), width / 8, read.bottom(), width / 8, read.header(), read.footer(), 0);
    }

    /** Whether a paper size is that of a page. */
    static boolean isSize(XmlNode size, PageGeometry page) {
        return page.width() == bounded(Units.twips(size, "w:w"), LETTER.width(), 36, 14400)
                && page.height() == bounded(Units.twips(size, "w:h"), LETTER.height(), 36, 14400);
    }

    private static double side(XmlNode margins, String name, double otherwise, double size) {
        return bounded(Units.twips(margins, name), otherwise, -size, size);
    }

    private static double bounded(Double value, double otherwise, double low, double high) {
        return value == null ? otherwise : Math.abs(Math.max(low, Math.min(high, value)));
    }

    private static Columns columns(XmlNode node) {
        if (node == null) return Columns.ONE;
        Integer count = Units.whole(node, "w:num");
        List<XmlNode> own = node.children("w:col");
        int number = Math.max(1, Math.min(45, count == null ? own.isEmpty() ? 1 : own.size() : count));
        List<Double> widths = new ArrayList<>();
        String equal = node.get("w:equalWidth", "1");
        if (!(equal.equals("1") || equal.equals("true")) && own.size() >= number) {
            for (int i = 0; i < number; i++) {
                widths.add(LookReader.first(Units.twips(own.get(i), "w:w"), 72.0));
                if (i + 1 < number) widths.add(LookReader.first(Units.twips(own.get(i), "w:space"), 0.0));
            }
        }
        Double gap = Units.twips(node, "w:space");
        return new Columns(number, gap == null ? 36 : gap, "1".equals(node.get("w:sep")) || "true".equals(node.get("w:sep")), widths);
    }

    static PageNumbering numbering(XmlNode node) {
        if (node == null) return PageNumbering.CONTINUED;
        NumberFormat format = NumberingPart.format(node.get("w:fmt", "decimal"));
        return new PageNumbering(format == NumberFormat.BULLET || format == NumberFormat.NONE ? NumberFormat.DECIMAL : format, Units.whole(node, "w:start"));
    }
}
