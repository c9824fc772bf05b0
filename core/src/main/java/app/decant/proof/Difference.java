package app.decant.proof;

import app.decant.document.Finding;
import app.decant.words.Message;

/**
 * One thing that differs.
 *
 * @param page     from 0, where it is
 * @param x        its left edge, in points from the page's left; likewise the others
 * @param message  for the person at the desk
 */
public record Difference(Kind kind, Finding.Weight weight, int page, double x, double y, double width, double height, Message message) {
    /** What it is about. */
    public enum Kind { PAGES, TEXT, LINE_END, PLACE, PICTURE, COLOUR, LOOK, LINK, FONT, HEADING, STRUCTURE, DRAWING, FIELD, NUMBER }

    /** In words. */
    public String sentence() { return message.toString(); }

    /** As a finding among others. */
    public Finding finding() { return new Finding(weight, message, Finding.page(page)); }
}
