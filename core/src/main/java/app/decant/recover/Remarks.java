package app.decant.recover;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Comment;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.pdf.note.FileNotes.FileNote;
import app.decant.recover.PageLetters.Letter;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** Hangs the notes of a PDF on the words they mark, as comments; those that mark none on the word that stands nearest. */
final class Remarks {
    private final Document document;
    private final Provenance provenance;
    private final PageLetters letters;
    private final Map<Paragraph, TreeMap<Integer, List<Comment>>> borne = new IdentityHashMap<>();
    private int left;

    private Remarks(Document document, Provenance provenance) {
        this.document = document;
        this.provenance = provenance;
        letters = new PageLetters(document, provenance);
    }

    /**
     * The same with comments.
     *
     * @param left how many notes stand on pages without a word
     */
    record Remarked(Document document, Provenance provenance, int left) { }

    static Remarked on(Document document, Provenance provenance, List<FileNote> notes) {
        if (notes.isEmpty()) return new Remarked(document, provenance, 0);
        Remarks remarks = new Remarks(document, provenance);
        for (FileNote note : notes) remarks.hang(note);
        return remarks.done();
    }

    private void hang(FileNote note) {
        List<Letter> page = letters.on(note.page());
        List<Letter> meant = note.marks() ? page.stream().filter(letter -> note.areas().stream().anyMatch(letter::isIn)).toList() : List.of();
        if (meant.isEmpty()) meant = nearest(page, note.areas().get(0));
        if (meant.isEmpty()) left++;
        for (Letter letter : meant)
            borne.computeIfAbsent(letter.paragraph(), key -> new TreeMap<>()).computeIfAbsent(letter.offset(), key -> new ArrayList<>()).add(note.comment());
    }

    /** The word nearest to a place. */
    private static List<Letter> nearest(List<Letter> page, Rectangle2D area) {
        Letter nearest = null;
        for (Letter letter : page) if (nearest == null || letter.away(area) < nearest.away(area)) nearest = letter;
        if (nearest == null) return List.of();
        String text = nearest.paragraph().text();
        int from = nearest.offset();
        int to = nearest.offset() + 1;
        while (from > 0 && !Character.isWhitespace(text.charAt(from - 1)) && text.charAt(from - 1) != Inline.OBJECT) from--;
        while (to < text.length() && !Character.isWhitespace(text.charAt(to)) && text.charAt(to) != Inline.OBJECT) to++;
        List<Letter> word = new ArrayList<>();
        for (int i = from; i < to; i++) word.add(new Letter(nearest.paragraph(), i, 0, 0, 0, 0));
        return word;
    }

    private Remarked done() {
        SortedMap<BlockPath, Block> changed = new TreeMap<>();
        Map<Paragraph, Paragraph> now = new IdentityHashMap<>();
        borne.forEach((paragraph, comments) -> {
            fill(paragraph.text(), comments);
            Paragraph made = remarked(paragraph, comments);
            changed.put(letters.path(paragraph), made);
            now.put(paragraph, made);
        });
        return new Remarked(document.replacing(Story.BODY, changed), provenance.with(now), left);
    }

    /** Spaces between words of one comment are its own as well. */
    private static void fill(String text, TreeMap<Integer, List<Comment>> comments) {
        for (int at : List.copyOf(comments.keySet())) {
            int to = at + 1;
            while (to < text.length() && Character.isWhitespace(text.charAt(to)) && !comments.containsKey(to)) to++;
            if (!comments.containsKey(to)) continue;
            List<Comment> both = comments.get(at).stream().filter(comments.get(to)::contains).toList();
            if (!both.isEmpty()) for (int i = at + 1; i < to; i++) comments.put(i, both);
        }
    }

    private static Paragraph remarked(Paragraph paragraph, TreeMap<Integer, List<Comment>> comments) {
        List<Inline> inlines = new ArrayList<>();
        int from = 0;
        for (int at = 1; at <= paragraph.length(); at++) {
            if (at < paragraph.length() && comments.getOrDefault(at, List.of()).equals(comments.getOrDefault(from, List.of()))) continue;
            List<Comment> some = comments.getOrDefault(from, List.of());
            for (Inline inline : paragraph.slice(from, at)) inlines.add(some.isEmpty() ? inline : inline.with(with(inline.look(), some)));
            from = at;
        }
        return paragraph.withInlines(inlines);
    }

    private static Look with(Look look, List<Comment> comments) {
        Comment.Thread thread = look.get(TextProperty.COMMENTS);
        for (Comment comment : comments) thread = Comment.Thread.and(thread, comment);
        return look.with(TextProperty.COMMENTS, thread);
    }
}
