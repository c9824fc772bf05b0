package app.decant.format.ooxml;

import app.decant.document.NoteCount;
import app.decant.document.PageDress.LineNumbers;
import app.decant.document.PageDress;
import app.decant.document.Section;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;

/** What a section's properties say beyond what is read of them, put back in the order that the schema asks for (ISO/IEC 29500-1, A.1, CT_SectPr). */
final class SectionMarkup {
    private static final List<String> BEFORE_TYPE = List.of("w:footnotePr", "w:endnotePr");
    private static final List<String> AFTER_MARGINS = List.of("w:paperSrc", "w:pgBorders", "w:lnNumType");
    private static final List<String> AFTER_COLUMNS = List.of("w:formProt", "w:vAlign", "w:noEndnote");
    private static final List<String> LAST = List.of("w:textDirection", "w:bidi", "w:rtlGutter", "w:docGrid");
    static final Set<String> KEPT = Set.of("w:footnotePr", "w:endnotePr", "w:paperSrc", "w:pgBorders", "w:lnNumType", "w:formProt", "w:vAlign", "w:noEndnote",
            "w:textDirection", "w:bidi", "w:rtlGutter", "w:docGrid", "w:pgSz", "w:pgNumType");

    private final XmlWriter xml;
    private final Map<String, String> kept = new HashMap<>();

    SectionMarkup(XmlWriter xml, Section section) {
        this.xml = xml;
        for (String markup : section.kept()) for (String name : KEPT) if (markup.matches("(?s)<" + name + "[\\s/>].*")) kept.putIfAbsent(name, markup);
        if (!section.dress().equals(PageDress.PLAIN)) dress(section.dress());
    }

    private static String notes(String name, NoteCount count) {
        return markup(out -> {
            out.open(name).leaf("w:numFmt", "w:val", NumberingPart.format(count.format())).leaf("w:numStart", "w:val", count.start());
            if (count.bySection()) out.leaf("w:numRestart", "w:val", "eachSect");
            out.close();
        });
    }

    /** What another format, or somebody here, said of its pages. */
    private void dress(PageDress dress) {
        if (!dress.footnotes().equals(NoteCount.FOOTNOTES)) kept.computeIfAbsent("w:footnotePr", name -> notes(name, dress.footnotes()));
        if (!dress.endnotes().equals(NoteCount.ENDNOTES)) kept.computeIfAbsent("w:endnotePr", name -> notes(name, dress.endnotes()));
        if (dress.isFramed()) kept.computeIfAbsent("w:pgBorders", name -> markup(out -> {
            out.open(name, "w:offsetFrom", dress.fromText() ? "text" : "page", "w:display", switch (dress.framed()) {
                case ALL -> null;
                case FIRST -> "firstPage";
                case OTHERS -> "notFirstPage";
            });
            LookWriter.border(out, "w:top", dress.frame().top());
            LookWriter.border(out, "w:left", dress.frame().left());
            LookWriter.border(out, "w:bottom", dress.frame().bottom());
            LookWriter.border(out, "w:right", dress.frame().right());
            out.close();
        }));
        LineNumbers numbers = dress.numbers();
        if (numbers != null) kept.computeIfAbsent("w:lnNumType", name -> markup(out -> out.leaf(name, "w:countBy", numbers.every(), "w:start",
                numbers.start() == 1 ? null : numbers.start() - 1, "w:distance", Units.toTwips(numbers.distance()), "w:restart", switch (numbers.again()) {
                    case PAGE -> null;
                    case SECTION -> "newSection";
                    case NEVER -> "continuous";
                })));
        if (dress.standing() != PageDress.Standing.TOP) kept.computeIfAbsent("w:vAlign", name -> markup(out -> out.leaf(name, "w:val",
                dress.standing() == PageDress.Standing.MIDDLE ? "center" : "bottom")));
    }

    private static String markup(Consumer<XmlWriter> writing) {
        XmlWriter out = new XmlWriter();
        writing.accept(out);
        return out.markup();
    }

    /** Puts an element back that says what the section says, and maybe more; tells whether there was one. */
    boolean still(String name, Predicate<XmlNode> holds) {
        if (!kept.containsKey(name) || !holds.test(XmlReader.tree(kept.get(name).getBytes(StandardCharsets.UTF_8), name))) return false;
        xml.raw(kept.get(name));
        return true;
    }

    void beforeType() { put(BEFORE_TYPE); }
    void afterMargins() { put(AFTER_MARGINS); }
    void afterColumns() { put(AFTER_COLUMNS); }
    void last() { put(LAST); }

    private void put(List<String> names) { for (String name : names) if (kept.containsKey(name)) xml.raw(kept.get(name)); }
}
