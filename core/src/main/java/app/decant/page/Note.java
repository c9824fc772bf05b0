package app.decant.page;

import app.decant.document.Comment;
import java.util.List;

/**
 * What is to become of a note on the pages of an {@link Original}.
 *
 * @param comment what it says now, with all answers; null where it is taken out
 * @param before  what it said in the file; null for a new one
 * @param page    of the pages that are published, for a new one
 * @param turn    how far that page is turned clockwise to be read, beyond what it says itself
 * @param areas   of a new one: the lines it is about, in points from the top left of the page as it is read
 */
public record Note(Comment comment, Comment before, int page, int turn, List<Rewritten.Area> areas) {
    public Note {
        areas = List.copyOf(areas);
        if (comment == null && before == null) throw new IllegalArgumentException("A note is there, or was");
        if (before == null && areas.isEmpty()) throw new IllegalArgumentException("A new note is about something");
    }
}
