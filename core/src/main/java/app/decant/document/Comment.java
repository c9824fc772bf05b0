package app.decant.document;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * What somebody remarked on a passage (ISO/IEC 29500-1, 17.13.4; ISO/IEC 26300-1, 14.1), with the answers to it. All letters of the passage bear it.
 *
 * @param number  tells comments apart that say the same
 * @param done    whether it is settled
 */
public record Comment(int number, Remark remark, List<Remark> answers, boolean done) {
    public Comment { answers = List.copyOf(answers); }

    /**
     * What one person said.
     *
     * @param author empty where the file does not say
     * @param when   null where the file does not say
     * @param text   its paragraphs, ended by line feeds
     */
    public record Remark(String author, Instant when, String text) {
        public Remark {
            author = author == null ? "" : author;
            text = Characters.wellFormed(text.strip());
        }

        /** The first letters of the author's names. */
        public String initials() {
            StringBuilder initials = new StringBuilder();
            for (String name : author.strip().split("\\s+")) if (!name.isEmpty()) initials.appendCodePoint(name.codePointAt(0));
            return initials.toString();
        }
    }

    /** A comment that nobody has answered. */
    public static Comment of(int number, Remark remark) { return new Comment(number, remark, List.of(), false); }

    public Comment answered(Remark answer) {
        List<Remark> more = new ArrayList<>(answers);
        more.add(answer);
        return new Comment(number, remark, more, done);
    }

    public Comment withDone(boolean settled) { return new Comment(number, remark, answers, settled); }

    /** The comments that a letter bears, in the order in which they begin; a property's value has to be one type. */
    public record Thread(List<Comment> comments) {
        public Thread {
            comments = List.copyOf(comments);
            if (comments.isEmpty()) throw new IllegalArgumentException("No comments are no thread");
        }

        /** What letters bear that bore {@code before} and now bear one more. */
        public static Thread and(Thread before, Comment comment) {
            List<Comment> all = before == null ? new ArrayList<>() : new ArrayList<>(before.comments);
            if (!all.contains(comment)) all.add(comment);
            return new Thread(all);
        }

        /** The same with another in the place of one; without it where {@code other} is null; null where none is left. */
        public Thread with(Comment one, Comment other) {
            List<Comment> all = new ArrayList<>();
            for (Comment comment : comments) {
                if (!comment.equals(one)) all.add(comment);
                else if (other != null) all.add(other);
            }
            return all.isEmpty() ? null : new Thread(all);
        }
    }
}
