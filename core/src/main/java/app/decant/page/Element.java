package app.decant.page;

import app.decant.document.NumberFormat;
import app.decant.document.Picture;
import java.util.List;

/**
 * A part of what pages hold, in reading order, for whoever can't see them: headings, lists, tables, pictures (ISO 32000-2, 14.8.4).
 *
 * @param level       of a heading, from 1; 0 for all else
 * @param text        the passage whose lines it is, or null; {@link Role#LABEL} holds the label before the passage's first line only
 * @param inBody      whether its text runs down the pages, so that lines of it which can't be edited are repetitions
 * @param picture     the picture that it is, or null
 * @param description of its picture in words, or null
 * @param numbering   how the items of a list are labelled, or null
 * @param columnSpan  how many columns a cell covers; 1 for all else, as for rows
 */
public record Element(Role role, int level, Passage text, boolean inBody, Picture picture, String description, NumberFormat numbering, int columnSpan,
                      int rowSpan, List<Element> children) {
    public Element { children = List.copyOf(children); }

    /** Something that only holds others. */
    public static Element of(Role role, List<Element> children) { return new Element(role, 0, null, false, null, null, null, 1, 1, children); }

    /** What an element is, by the standard structure types. */
    public enum Role {
        DOCUMENT("Document"), DIVISION("Div"), HEADING("H"), PARAGRAPH("P"), LIST("L"), ITEM("LI"), LABEL("Lbl"), ITEM_BODY("LBody"), TABLE("Table"), ROW("TR"),
        HEAD_CELL("TH"), CELL("TD"), CONTENTS("TOC"), CONTENTS_ENTRY("TOCI"), NOTE("Note"), FIGURE("Figure");

        private final String type;

        Role(String type) { this.type = type; }

        /** The name of the structure type; headings add their level. */
        public String type() { return type; }
    }
}
