package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.RandomDocument;
import app.decant.document.Table;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.layout.Layout;
import app.decant.layout.Sample;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** What is copied elsewhere and put into a document. */
class AdoptionTest {
    private static Document page(String body) {
        return Formats.read(("<!DOCTYPE html><meta charset=utf-8>" + body).getBytes(StandardCharsets.UTF_8), "pasted.html", null, Progress.SILENT).document();
    }

    private static Change pasted(Document into, int at, String body) {
        Change change = Adoption.paste(into, TextSelection.caret(new Place(BlockPath.of(0, 0), at)), page(body));
        assertThat(change.transaction().inverse(into).apply(change.after()).document()).isEqualTo(into);
        return change;
    }

    @Test void wordsEmphasisAndLinksComeInTheLettersOfThePlace() {
        Document into = Sample.of(List.of(Paragraph.of("before after")));
        Document after = pasted(into, 7, "<span style='font: 30px Arial'>a <b>loud</b> <a href='https://ferries.example/'>link</a> and <a "
                + "href='#x'>none</a></span>").after();
        Paragraph made = (Paragraph) after.blocks().get(0);
        assertThat(made.text()).isEqualTo("before a loud link and noneafter");
        assertThat(made.inlines()).noneMatch(inline -> inline.look().says(TextProperty.SIZE) || inline.look().says(TextProperty.FAMILY));
        assertThat(made.lookBefore(11).is(TextProperty.BOLD)).isTrue();
        assertThat(made.lookBefore(17).get(TextProperty.LINK)).isEqualTo(new Link.Address("https://ferries.example/"));
        assertThat(made.lookBefore(25).get(TextProperty.LINK)).isNull();
    }

    @Test void headingsListsAndTablesBecomeThoseOfTheDocument() {
        Document into = Sample.of(List.of(Paragraph.of("before"), Paragraph.of("behind")));
        Document after = pasted(into, 6, "<h2>Fares</h2><ol start=3><li>three<li>four</ol><ul><li>dot</ul><table><tr><th>Pier<td>2</table><p>end").after();
        List<Block> blocks = after.blocks();
        Cascade cascade = Cascade.of(after);
        Paragraph heading = (Paragraph) blocks.stream().filter(block -> block instanceof Paragraph paragraph && paragraph.text().equals("Fares")).findFirst()
                .orElseThrow();
        assertThat(heading.style()).isEqualTo("Heading2");
        ListLabels labels = ListLabels.of(after, cascade);
        assertThat(Walk.of(after).stops().stream().map(Walk.Stop::paragraph).filter(paragraph -> labels.label(paragraph) != null)
                .map(paragraph -> labels.label(paragraph) + paragraph.text())).containsExactly("3.three", "4.four", "\u2022dot");
        assertThat(blocks).filteredOn(Table.class::isInstance).hasSize(1);
        // Pasted again, its lists count anew.
        Document twice = Adoption.paste(after, TextSelection.caret(new Place(BlockPath.of(0, 0), 0)), page("<ol><li>one</ol>")).after();
        assertThat(twice.numbering().lists()).hasSizeGreaterThan(after.numbering().lists().size());
    }

    /** Whatever document into whatever other: all its letters arrive, it can be laid out, and all of it is taken back. */
    @Test void anyDocumentGoesIntoAnyOther() {
        for (int seed = 0; seed < 60; seed++) {
            Document into = Sample.of(List.of(Paragraph.of("before"), Paragraph.of("behind")));
            Document other = new RandomDocument(new Random(seed)).document();
            Change change = Adoption.paste(into, TextSelection.caret(new Place(BlockPath.of(0, 0), 6)), other);
            assertThat(change.transaction().inverse(into).apply(change.after()).document()).isEqualTo(into);
            assertThat(letters(change.after())).as("seed %d", seed).isEqualTo("before" + letters(other) + "behind");
            assertThat(change.picked().fits(change.after())).isTrue();
            if (seed % 10 == 0) assertThat(Layout.of(change.after(), FontCatalogue.shipped()).count()).isPositive();
        }
    }

    private static String letters(Document document) {
        StringBuilder letters = new StringBuilder();
        for (Walk.Stop stop : Walk.of(document).stops()) letters.append(stop.paragraph().text());
        return letters.toString().replace(String.valueOf(Inline.OBJECT), "");
    }
}
