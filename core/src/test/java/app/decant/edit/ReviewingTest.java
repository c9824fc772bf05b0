package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Comment;
import app.decant.document.Comments;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.TextProperty;
import app.decant.document.TrackedChange;
import app.decant.document.TrackedChanges;
import app.decant.format.Marked;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What people changed and remarked, settled passage by passage. */
class ReviewingTest {
    private static Place place(int block, int offset) { return new Place(Story.BODY, BlockPath.of(0, block), offset); }
    private static TextSelection caret(int block, int offset) { return TextSelection.caret(place(block, offset)); }

    private static List<String> texts(Document document) {
        return document.blocks().stream().map(block -> block instanceof Paragraph paragraph ? paragraph.plainText() : "table").toList();
    }

    @Test void passagesAreWhatOnePersonDidInOneGo() {
        assertThat(Reviewing.passages(Marked.changed())).extracting(passage -> (passage instanceof Reviewing.Changed changed
                && changed.change().isDeletion() ? "- " : "+ ") + passage.words())
                .containsExactly("- seven", "+ eight", "- ", "+ on", "+ Dogs need a lead.", "- No smoking.");
        assertThat(Reviewing.passages(Marked.rows())).extracting(Reviewing.Passage::words).containsExactly("Child 6.00", "Dog 3.00");
        assertThat(Reviewing.passages(Marked.remarked())).extracting(Reviewing.Passage::words).containsExactly("costs nine", "nine pounds", "desk.");
    }

    @Test void oneIsSettledAndTheOthersWait() {
        Document document = Marked.changed();
        Change accepted = Reviewing.settle(document, caret(0, 22), true);
        assertThat(texts(accepted.after()).get(0)).isEqualTo("The ferry leaves at eight.");
        assertThat(TrackedChanges.count(accepted.after())).isEqualTo(5);
        Change rejected = Reviewing.settle(document, caret(4, 3), false);
        assertThat(texts(rejected.after())).contains("No smoking.");
        assertThat(TrackedChanges.count(rejected.after())).isEqualTo(5);
        // The end of a paragraph that was taken out: accepted, the two are one.
        assertThat(texts(Reviewing.settle(document, new TextSelection(place(1, 16), place(2, 0)), true).after()).get(1)).startsWith("Bicycles travel on");
        assertThat(texts(Reviewing.settle(Marked.rows(), TextSelection.caret(new Place(Story.BODY, BlockPath.of(0, 0, 1, 0, 0), 2)), true).after()))
                .containsExactly("table", "Valid all year.");
        assertThat(Reviewing.passages(Reviewing.settle(Marked.rows(), TextSelection.caret(new Place(Story.BODY, BlockPath.of(0, 0, 1, 0, 0), 2)), true)
                .after())).extracting(Reviewing.Passage::words).containsExactly("Dog 3.00");
    }

    @Test void commentsAreMadeAnsweredAndTakenOut() {
        Document document = Marked.remarked();
        Reviewing.Remarked asked = (Reviewing.Remarked) Reviewing.passages(document).get(0);
        Comment.Remark answer = new Comment.Remark("Ina Tollmark", Instant.EPOCH, "Nine it is.");
        Document answered = Reviewing.replace(document, caret(0, 0), asked, asked.comment().answered(answer).withDone(false)).after();
        assertThat(Comments.borne(answered).keySet()).extracting(comment -> comment.answers().size()).containsExactly(2, 0, 0);
        assertThat(Reviewing.passages(answered)).extracting(Reviewing.Passage::words).containsExactly("costs nine", "nine pounds", "desk.");
        Document without = Reviewing.replace(document, caret(0, 0), asked, null).after();
        assertThat(Reviewing.passages(without)).extracting(Reviewing.Passage::words).containsExactly("nine pounds", "desk.");
        Document more = Reviewing.remark(document, new TextSelection(place(2, 0), place(3, 5)), answer).after();
        assertThat(Reviewing.passages(more)).extracting(Reviewing.Passage::words).containsExactly("costs nine", "nine pounds", "desk.",
                "Before noon or  after");
        assertThat(Comments.borne(more).keySet()).extracting(Comment::number).doesNotHaveDuplicates();
    }

    /** What is typed at the edge of a change or a commented passage belongs to neither; within a commented passage it does. */
    @Test void typedWordsAreNobodysChange() {
        Document typed = Typing.type(Marked.changed(), caret(0, 25), "x", null).after();
        assertThat(((Paragraph) typed.blocks().get(0)).lookBefore(26).get(TextProperty.TRACKED)).isNull();
        Document within = Typing.type(Marked.remarked(), caret(0, 16), "x", null).after();
        assertThat(Reviewing.passages(within).get(0).words()).isEqualTo("cosxts nine");
        Document behind = Typing.type(Marked.remarked(), caret(0, 30), "x", null).after();
        assertThat(Reviewing.passages(behind).get(1).words()).isEqualTo("nine pounds");
    }

    /** What hangs on words stays on them when they are given the look of others, and is not given to those. */
    @Test void echoGivesLooksAndNoRemarks() {
        Document document = Marked.remarked();
        Look big = Look.of(TextProperty.SIZE, 20.0);
        Document dressed = Dressing.looks(document, new TextSelection(place(0, 0), place(0, 29)), look -> big.over(look)).after();
        Echo echo = new Echo(BlockPath.of(0, 0), List.of(BlockPath.of(0, 1), BlockPath.of(0, 2)));
        Document after = echo.apply(dressed, caret(0, 0), echo.others()).after();
        assertThat(Reviewing.passages(after)).extracting(Reviewing.Passage::words).containsExactly("costs nine", "nine pounds", "desk.");
        assertThat(((Paragraph) after.blocks().get(1)).lookBefore(1).get(TextProperty.SIZE)).isEqualTo(20.0);
    }

    /** A paragraph whose end was taken out is parted: the new end is nobody's change. */
    @Test void aNewEndIsNobodysChange() {
        Document parted = Typing.breakParagraph(Marked.changed(), caret(1, 8)).after();
        assertThat(((Paragraph) parted.blocks().get(1)).mark().says(TextProperty.TRACKED)).isFalse();
        assertThat(((Paragraph) parted.blocks().get(2)).mark().get(TextProperty.TRACKED)).isEqualTo(Marked.WENT);
    }

    /** Laws over random documents: settling all one by one is settling all at once, and each step taken back leads to where it began. */
    @Test void settlingOneByOneIsSettlingAll() {
        for (int seed = 0; seed < 300; seed++) {
            Document document = random(new Random(seed));
            for (boolean accepted : new boolean[] {true, false}) {
                Document all = Reviewing.settleAll(document, caret(0, 0), accepted).after();
                Document now = document;
                for (int i = 0; i < 200; i++) {
                    Reviewing.Passage next = Reviewing.passages(now).stream().findFirst().orElse(null);
                    if (next == null) break;
                    Change change = Reviewing.settle(now, next.where(), accepted);
                    assertThat(change.transaction().inverse(now).apply(change.after()).orThrow()).as("seed %d", seed).isEqualTo(now);
                    now = change.after();
                }
                // Ends of last paragraphs can go into none: only there something stays.
                assertThat(texts(now)).as("seed %d, %s", seed, accepted).isEqualTo(texts(all));
            }
        }
    }

    private static Document random(Random random) {
        TrackedChange[] kinds = {null, null, Marked.CAME, Marked.WENT, new TrackedChange(Marked.CAME.insertion(), Marked.WENT.deletion())};
        List<Block> blocks = new ArrayList<>();
        int count = 1 + random.nextInt(6);
        for (int i = 0; i < count; i++) {
            List<Inline> inlines = new ArrayList<>();
            for (int j = random.nextInt(4); j > 0; j--) {
                TrackedChange kind = kinds[random.nextInt(kinds.length)];
                Look look = kind == null ? Look.PLAIN : Look.of(TextProperty.TRACKED, kind);
                inlines.add(new Inline.Text(String.valueOf((char) ('a' + random.nextInt(26))).repeat(1 + random.nextInt(3)), look));
            }
            TrackedChange end = i + 1 == count ? null : kinds[random.nextInt(kinds.length)];
            blocks.add(new Paragraph(null, Look.PLAIN, end == null ? Look.PLAIN : Look.of(TextProperty.TRACKED, end), inlines));
        }
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(blocks)));
    }
}
