package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering.Level;
import app.decant.document.Numbering.NumberedList;
import app.decant.document.Numbering.Pattern;
import app.decant.document.Numbering.Suffix;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.format.text.TextWriter;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.commonmark.node.AbstractVisitor;
import org.commonmark.node.OrderedList;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.parser.Parser;
import org.junit.jupiter.api.Test;

/** Lists whose numbers a format does not count by itself: what they say stands in each, as other readers see it, or is told. */
class CountedListsTest {
    private static final Instant WHEN = Instant.parse("2026-03-02T09:30:00Z");
    private static final List<String> ALL = List.of("docx", "doc", "rtf", "odt", "html", "epub", "md", "txt");

    private static Level level(NumberFormat format, int start, String label, Integer restart) {
        return new Level(format, start, label, Suffix.TAB, restart, null, Look.PLAIN);
    }

    private static Numbering numbering(List<Level> levels, NumberedList... lists) {
        List<Level> all = new ArrayList<>(levels);
        while (all.size() < 9) all.add(level(NumberFormat.DECIMAL, 1, "%" + (all.size() + 1) + ".", null));
        Numbering numbering = Numbering.NONE;
        for (NumberedList list : lists) numbering = numbering.with(new Pattern("p", all), list);
        return numbering;
    }

    private static NumberedList list(String id) { return new NumberedList(id, "p", Map.of(), Map.of()); }

    private static Document document(Numbering numbering, Object... listsAndLevels) {
        List<Paragraph> paragraphs = new ArrayList<>();
        for (int i = 0; i < listsAndLevels.length; i += 2)
            paragraphs.add(Paragraph.of("item " + (char) ('a' + i / 2 % 26)).withLook(Look.of(ParagraphProperty.LIST,
                    new ListReference((String) listsAndLevels[i], (int) listsAndLevels[i + 1]))));
        Document empty = Document.empty();
        return empty.withNumbering(numbering).withSections(List.of(empty.sections().get(0).withBlocks(List.copyOf(paragraphs))));
    }

    private static List<String> labels(Document document) {
        ListLabels labels = ListLabels.of(document, Cascade.of(document));
        return Walk.of(document).stops().stream().map(stop -> labels.label(stop.paragraph())).toList();
    }

    private static Written written(Document document, String ending) { return Formats.called(ending).write(document, WHEN); }

    /** The words and labels that a format gives back, and those that it says it shows. */
    private static void assertShown(Document document, String ending) {
        Format format = Formats.called(ending);
        Document back = Formats.read(written(document, ending).bytes(), "list." + ending, null, Progress.SILENT).document();
        assertThat(format.compared(TextWriter.write(format.shown(back)))).as(ending).isEqualTo(format.compared(TextWriter.write(format.shown(document))));
    }

    private static Element page(Document document) {
        return Jsoup.parse(new String(written(document, "html").bytes(), StandardCharsets.UTF_8)).body();
    }

    private static List<String> told(Written written) { return written.findings().stream().map(Finding::what).toList(); }

    private static final Document CLAUSES = document(numbering(List.of(level(NumberFormat.DECIMAL, 1, "%1.", null), level(NumberFormat.DECIMAL, 1, "%1.%2",
            null),
            level(NumberFormat.LOWER_LETTER, 1, "(%3)", null)), list("a")), "a", 0, "a", 1, "a", 1, "a", 2, "a", 2, "a", 0, "a", 1);

    /** Browsers count one level and put a point behind it: all else stands in the text. */
    @Test void pagesSayWhatBrowsersDoNotCount() {
        Element body = page(CLAUSES);
        assertThat(body.select("span.number").eachText()).containsExactly("1.1", "1.2", "(a)", "(b)", "2.1");
        assertThat(body.select("li:has(> span.number)").eachAttr("style")).allMatch(style -> style.contains("list-style: none"));
        assertThat(body.select("ol[data-label]").eachAttr("type")).containsExactly("a");
        assertShown(CLAUSES, "html");
        Document back = Formats.read(written(CLAUSES, "html").bytes(), "list.html", null, Progress.SILENT).document();
        assertThat(labels(back)).as("a list that is a list here is one there").startsWith("1.").contains("(a)", "(b)");
    }

    /** HTML, 4.4.8: counts that jump say so, whatever they begin with. */
    @Test void pagesSayWhereCountsJump() {
        Document years = document(numbering(List.of(level(NumberFormat.DECIMAL, 2004, "%1.", null)), list("a"),
                new NumberedList("b", "p", Map.of(0, 2010), Map.of())), "a", 0, "a", 0, "b", 0);
        assertThat(labels(years)).containsExactly("2004.", "2005.", "2010.");
        Element body = page(years);
        assertThat(body.select("ol").eachAttr("start")).containsExactly("2004", "2010");
        assertShown(years, "html");
    }

    /** CommonMark 0.31, 5.3: only another sign behind the number parts lists that follow each other; by the CommonMark parser. */
    @Test void markdownBeginsAgainWhereTheDocumentDoes() {
        Document restarted = document(numbering(List.of(level(NumberFormat.DECIMAL, 1, "%1.", null)), list("a"),
                new NumberedList("b", "p", Map.of(0, 1), Map.of()), new NumberedList("c", "p", Map.of(0, 7), Map.of())), "a", 0, "a", 0, "b", 0, "b", 0, "c",
                0);
        assertThat(labels(restarted)).containsExactly("1.", "2.", "1.", "2.", "7.");
        List<Integer> starts = new ArrayList<>();
        org.commonmark.parser.Parser.builder().build().parse(new String(written(restarted, "md").bytes(), StandardCharsets.UTF_8))
                .accept(new AbstractVisitor() {
            @Override public void visit(OrderedList list) {
                starts.add(list.getMarkerStartNumber());
                super.visit(list);
            }
        });
        assertThat(starts).containsExactly(1, 1, 7);
        assertShown(restarted, "md");
    }

    /** OpenDocument 1.2, 5.3.3: lists that count on from another, or never begin again, say what they count; in its XML. */
    @Test void openDocumentSaysWhatItWouldCountOtherwise() throws Exception {
        Numbering shared = numbering(List.of(level(NumberFormat.DECIMAL, 1, "%1.", null), level(NumberFormat.LOWER_LETTER, 1, "%2)", 0)), list("a"), list("b"));
        Document document = document(shared, "a", 0, "a", 1, "a", 1, "b", 0, "b", 1, "a", 0, "a", 1);
        assertThat(labels(document)).containsExactly("1.", "a)", "b)", "2.", "c)", "3.", "d)");
        assertShown(document, "odt");
        assertThat(told(written(document, "odt"))).isEmpty();
        List<String> starts = new ArrayList<>();
        for (Element item : Jsoup.parse(new String(Archive.parts(written(document, "odt").bytes()).get("content.xml"), StandardCharsets.UTF_8),
                Parser.xmlParser())
                .select("text|list-item[text:start-value]")) starts.add(item.attr("text:start-value"));
        assertThat(starts).as("what counts together is one list; the level that never begins again says so").containsExactly("3", "4");
    }

    /** Rich text has no place for levels that begin again after one outer level only: that is told, if it shows. */
    @Test void richTextTellsWhatItCountsOtherwise() {
        Numbering numbering = numbering(List.of(level(NumberFormat.DECIMAL, 1, "%1.", null), level(NumberFormat.DECIMAL, 1, "%2.", null),
                level(NumberFormat.DECIMAL, 1, "%3.", 1)), list("a"));
        Document shows = document(numbering, "a", 0, "a", 1, "a", 2, "a", 1, "a", 2);
        assertThat(labels(shows)).endsWith("2.");
        assertThat(told(written(shows, "rtf"))).anyMatch(what -> what.contains("begin anew"));
        assertShown(shows, "rtf");
        assertThat(told(written(document(numbering, "a", 0, "a", 1, "a", 2), "rtf"))).noneMatch(what -> what.contains("begin anew"));
    }

    /** A level without a count of its own names those above it ([MS-DOC], 2.9.150: nfc 0xFF). */
    @Test void levelsWithoutACountStillNameOthers() {
        Document document = document(numbering(List.of(level(NumberFormat.DECIMAL_ZERO, 1, "%1", null), level(NumberFormat.NONE, 1, "to %1.%2", null)),
                list("a")), "a", 0, "a", 1, "a", 0, "a", 1);
        assertThat(labels(document)).containsExactly("01", "to 01.", "02", "to 02.");
        for (String ending : List.of("docx", "doc", "rtf")) {
            Document back = Formats.read(written(document, ending).bytes(), "list." + ending, null, Progress.SILENT).document();
            assertThat(labels(back)).as(ending).isEqualTo(labels(document));
        }
        for (String ending : ALL) assertShown(document, ending);
    }

    /** Lists drawn by lot: every format shows what it says it shows. */
    @Test void listsDrawnByLotAreShownByEveryFormat() {
        Random random = new Random(11);
        NumberFormat[] formats = {NumberFormat.DECIMAL, NumberFormat.LOWER_LETTER, NumberFormat.UPPER_ROMAN, NumberFormat.BULLET, NumberFormat.DECIMAL_ZERO,
            NumberFormat.ORDINAL};
        for (int i = 0; i < 25; i++) {
            List<Level> levels = new ArrayList<>();
            for (int depth = 0; depth < 3; depth++) {
                NumberFormat format = formats[random.nextInt(formats.length)];
                String own = "%" + (depth + 1);
                String label = format == NumberFormat.BULLET ? List.of("\u2022", "\u2013", "o").get(random.nextInt(3))
                        : random.nextBoolean() ? own + List.of(".", ")", "").get(random.nextInt(3)) : depth > 0 ? "%" + depth + "." + own : "(" + own + ")";
                levels.add(new Level(format, 1 + random.nextInt(3), label, Suffix.TAB, random.nextInt(4) == 0 ? (Integer) 0 : null, null, Look.PLAIN));
            }
            Numbering numbering = numbering(levels, list("a"), new NumberedList("b", "p", Map.of(0, 1 + random.nextInt(5)), Map.of()));
            Object[] items = new Object[24];
            int depth = 0;
            for (int item = 0; item < 24; item += 2) {
                items[item] = random.nextInt(4) == 0 ? "b" : "a";
                items[item + 1] = depth;
                depth = Math.max(0, Math.min(2, depth + random.nextInt(3) - 1));
            }
            Document document = document(numbering, items);
            for (String ending : ALL) assertShown(document, ending);
        }
    }

    private static Document hidden() {
        Map<String, Style> styles = new LinkedHashMap<>();
        styles.put("Normal", new Style("Normal", "Normal", Style.Kind.PARAGRAPH, null, null, Look.PLAIN));
        styles.put("Note", new Style("Note", "Note", Style.Kind.PARAGRAPH, "Normal", null, Look.of(TextProperty.HIDDEN, true)));
        Document empty = Document.empty();
        Paragraph plain = Paragraph.of("").withInlines(List.of(new Inline.Text("Fares rise. ", Look.PLAIN),
                new Inline.Text("Secret margin 12 %. ", Look.of(TextProperty.HIDDEN, true)), new Inline.Text("From June.", Look.PLAIN)));
        Paragraph told = Paragraph.styled("Note", "").withInlines(List.of(new Inline.Text("Hidden by its style. ", Look.PLAIN),
                new Inline.Text("Shown after all.", Look.of(TextProperty.HIDDEN, false))));
        return empty.withStyles(new StyleSheet(Look.of(TextProperty.FAMILY, "Liberation Serif").with(TextProperty.SIZE, 10.0), "Normal", null, styles))
                .withSections(List.of(empty.sections().get(0).withBlocks(List.of(plain, told))));
    }

    /** Hidden text does not go out in the source of what is published to be read, which is told; what is shown in a hidden style is shown. */
    @Test void whatIsHiddenDoesNotGoOutUnseen() {
        Document document = hidden();
        for (String ending : List.of("html", "epub", "md")) {
            Written written = written(document, ending);
            assertThat(told(written)).as(ending).anyMatch(what -> what.contains("Hidden text"));
            assertShown(document, ending);
            if (ending.equals("epub")) continue;
            assertThat(new String(written.bytes(), StandardCharsets.UTF_8)).contains("Shown after all.").doesNotContain("Secret").doesNotContain("Hidden by");
        }
        assertThat(page(document).outerHtml()).doesNotContain("display: none");
        assertThat(told(written(CLAUSES, "html"))).noneMatch(what -> what.contains("Hidden"));
        for (String ending : List.of("docx", "odt", "rtf", "doc")) assertShown(document, ending);
    }
}
