package app.decant.format.rtf;

import app.decant.document.Block;
import app.decant.document.Comment;
import app.decant.document.Paragraph;
import app.decant.format.OfficeTime;
import java.util.List;

/** A comment as it is read (RTF 1.9.1, "Comments"). */
final class RtfComment {
    /** Of its range; negative where it has none. */
    int number = -1;
    int time;

    /** The number that a group holds; one that no comment has where it holds none. */
    static int number(CharSequence text) {
        String told = text.toString().strip();
        return told.matches("-?\\d{1,10}") ? (int) Long.parseLong(told) : Integer.MIN_VALUE;
    }

    Comment of(List<Block> blocks, String author, int count) {
        StringBuilder text = new StringBuilder();
        for (Block block : blocks) if (block instanceof Paragraph paragraph) text.append(paragraph.plainText()).append('\n');
        return Comment.of(count, new Comment.Remark(author.strip(), OfficeTime.of(time), text.toString()));
    }
}
