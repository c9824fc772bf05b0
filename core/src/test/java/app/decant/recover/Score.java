package app.decant.recover;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/** How much of a specimen came back: for each kind of thing how many there are, were found, and are right. */
final class Score {
    private final Specimen specimen;
    private final Document document;
    private final List<String> paragraphs = new ArrayList<>();
    private final List<String> headings = new ArrayList<>();
    private final List<String> items = new ArrayList<>();
    private final List<String> cells = new ArrayList<>();
    private final List<String> links = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private final List<String> asides = new ArrayList<>();
    private final StringBuilder text = new StringBuilder();
    private int pictures;
    private int entries;
    private int tables;

    /** Wanted, found, and right. */
    record Count(int wanted, int found, int right) {
        double recall() { return wanted == 0 ? 1 : (double) right / wanted; }
        double precision() { return found == 0 ? 1 : (double) right / found; }
        double least() { return Math.min(recall(), precision()); }
        Count plus(Count other) { return new Count(wanted + other.wanted, found + other.found, right + other.right); }

        static Count of(List<String> wanted, List<String> found) {
            List<String> left = new ArrayList<>(found.stream().map(Score::squeezed).toList());
            int right = 0;
            for (String one : wanted) if (left.remove(squeezed(one))) right++;
            return new Count(wanted.size(), found.size(), right);
        }
    }

    Score(Specimen specimen, Document document) {
        this.specimen = specimen;
        this.document = document;
        Cascade cascade = Cascade.of(document);
        ListLabels labels = ListLabels.of(document, cascade);
        for (Outline.Heading heading : Outline.of(document, cascade, labels).headings()) headings.add(heading.level() + " " + heading.title());
        for (Section section : document.sections()) for (Block block : section.blocks()) visit(block, cascade, labels, false);
        takeTitle();
    }

    private void visit(Block block, Cascade cascade, ListLabels labels, boolean inCell) {
        if (block instanceof Contents contents) {
            entries += contents.entries().size();
            for (Paragraph entry : contents.entries()) text.append(entry.plainText()).append(' ');
        } else if (block instanceof Table table) {
            tables++;
            for (int r = 0; r < table.rows().size(); r++) {
                for (Table.Cell cell : table.rows().get(r).cells()) {
                    StringBuilder own = new StringBuilder();
                    for (Block inner : cell.blocks()) if (inner instanceof Paragraph paragraph) own.append(paragraph.plainText()).append(' ');
                    cells.add(tables + "/" + r + "/" + cell.column() + " " + own);
                    text.append(own);
                }
            }
        } else if (block instanceof Paragraph paragraph) {
            String plain = paragraph.plainText().replace("\u00AD", "").replace('\t', ' ').trim();
            inlines(paragraph);
            text.append(plain).append(' ');
            if (plain.isEmpty() || cascade.outlineLevel(paragraph) > 0) return;
            String label = labels.label(paragraph);
            if (label != null && !label.isBlank())
                items.add(cascade.paragraph(paragraph).get(ParagraphProperty.LIST).level() + " " + label.trim() + " " + plain);
            // Lines that somebody broke are told one by one, as they are wanted.
            else for (String line : plain.split("\n")) paragraphs.add(line.trim());
        }
    }

    private void inlines(Paragraph paragraph) {
        StringBuilder shown = new StringBuilder();
        Link link = null;
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.InlinePicture picture && isPhotograph(picture.picture())
                    || inline instanceof Inline.Floating floating && floating.content() instanceof Picture hung && isPhotograph(hung)) pictures++;
            if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) asides.add(plain(box.blocks()));
            if (inline instanceof Inline.Note note) notes.add(plain(note.blocks()));
            Link own = inline.look().get(TextProperty.LINK);
            if (link instanceof Link.Address address && !link.equals(own)) {
                links.add(shown + " " + address.uri());
                shown.setLength(0);
            }
            if (own != null && inline instanceof Inline.Text run) shown.append(run.text());
            link = own;
        }
        if (link instanceof Link.Address address) links.add(shown + " " + address.uri());
    }

    /** Grounds behind text come back as drawings, which specimens do not count. */
    private static boolean isPhotograph(Picture picture) { return picture.image().type().startsWith("image/"); }

    private static String plain(List<Block> blocks) {
        StringBuilder text = new StringBuilder();
        for (Block block : blocks) {
            if (!(block instanceof Paragraph paragraph)) continue;
            for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.Text run) text.append(run.text());
            text.append(' ');
        }
        return text.toString();
    }

    static String squeezed(String text) { return text.replaceAll("[\\s\u00AD\u00A0]+", ""); }

    /**
     * A lone heading above all others may come back as the title of the document, its sections then as headings of the first level: to a reader that is the
     * same. So it is counted as it was written.
     */
    private void takeTitle() {
        List<String> wanted = specimen.headings();
        long first = wanted.stream().filter(heading -> heading.startsWith("1 ")).count();
        if (first != 1 || wanted.size() < 2 || !wanted.get(0).startsWith("1 ")) return;
        String title = squeezed(wanted.get(0).substring(2));
        if (!paragraphs.removeIf(paragraph -> squeezed(paragraph).equals(title))) return;
        headings.replaceAll(heading -> heading.charAt(0) - '0' + 1 + heading.substring(1));
        headings.add(0, wanted.get(0));
    }

    private static List<String> withoutLevel(List<String> headings) { return headings.stream().map(heading -> heading.substring(2)).toList(); }

    Count paragraphs() { return Count.of(specimen.paragraphs(), paragraphs); }
    Count headings() { return Count.of(withoutLevel(specimen.headings()), withoutLevel(headings)); }
    Count levels() { return Count.of(specimen.headings(), headings); }
    Count items() { return Count.of(specimen.items(), items); }
    Count cells() { return Count.of(specimen.cells(), cells); }
    Count links() { return Count.of(specimen.links(), links); }
    Count notes() { return Count.of(specimen.notes(), notes); }
    Count asides() { return Count.of(specimen.asides(), asides); }
    Count pictures() { return new Count(specimen.pictures(), pictures, Math.min(pictures, specimen.pictures())); }
    Count entries() { return new Count(specimen.contentsEntries(), entries, Math.min(entries, specimen.contentsEntries())); }

    /** Characters without spaces, in order. */
    Count characters() {
        List<Integer> wanted = squeezed(specimen.text()).codePoints().boxed().toList();
        List<Integer> found = squeezed(text.toString()).codePoints().boxed().toList();
        int lost = 0;
        for (AbstractDelta<Integer> delta : DiffUtils.diff(wanted, found).getDeltas()) lost += delta.getSource().size();
        return new Count(wanted.size(), found.size(), wanted.size() - lost);
    }

    /** Words in order: characters with the spaces between them. */
    Count words() {
        List<String> wanted = List.of(specimen.text().trim().split("\\s+"));
        List<String> found = List.of(text.toString().replace("\u00AD", "").trim().split("\\s+"));
        int lost = 0;
        for (AbstractDelta<String> delta : DiffUtils.diff(wanted, found).getDeltas()) lost += delta.getSource().size();
        return new Count(wanted.size(), found.size(), wanted.size() - lost);
    }

    /** Lines of running heads and feet, and how many of them stayed out of the body. */
    Count heads() {
        List<String> heads = new ArrayList<>();
        if (specimen.head() != null) heads.add(specimen.head());
        if (specimen.foot() != null) for (int i = 1; i < 9; i++) heads.add(specimen.foot() + " " + i);
        int out = (int) heads.stream().filter(head -> paragraphs.stream().noneMatch(paragraph -> squeezed(paragraph).equals(squeezed(head)))).count();
        return new Count(heads.size(), heads.size(), out);
    }

    /** Lines of the pages published again that are the same lines as before, on the same pages; read by PDFBox's own text stripper. */
    Count lineEnds(byte[] original) throws IOException {
        byte[] again = OwnWriter.write(Layout.of(document, FontCatalogue.ofThisMachine()), false);
        try (PDDocument before = Loader.loadPDF(original); PDDocument after = Loader.loadPDF(again)) {
            Count count = new Count(0, 0, 0);
            for (int page = 1; page <= Math.max(before.getNumberOfPages(), after.getNumberOfPages()); page++)
                count = count.plus(Count.of(lines(before, page), lines(after, page)));
            return count;
        }
    }

    private List<String> lines(PDDocument pdf, int page) throws IOException {
        PDFTextStripper stripper = new PDFTextStripper();
        // Lines of columns that stand at one height are no line.
        stripper.setSortByPosition(specimen.pieces().stream().noneMatch(piece -> piece instanceof Specimen.Columns || piece instanceof Specimen.Flow));
        stripper.setStartPage(page);
        stripper.setEndPage(page);
        List<String> lines = new ArrayList<>();
        for (String line : stripper.getText(pdf).split("\\R")) if (!line.isBlank()) lines.add(inOneOrder(line.replaceAll("\\.{3,}", "")));
        return lines;
    }

    /** Right-to-left lines by their letters only: the reader puts letters that were written one by one in another order than words. */
    private static String inOneOrder(String line) {
        if (line.chars().noneMatch(c -> Character.getDirectionality(c) == Character.DIRECTIONALITY_RIGHT_TO_LEFT)) return line;
        int[] points = line.codePoints().sorted().toArray();
        return new String(points, 0, points.length);
    }

    /** What was wanted and is missing, for people who look why. */
    String missing() {
        StringBuilder text = new StringBuilder();
        differ(text, "paragraph", specimen.paragraphs(), paragraphs);
        differ(text, "heading", specimen.headings(), headings);
        differ(text, "item", specimen.items(), items);
        differ(text, "cell", specimen.cells(), cells);
        differ(text, "link", specimen.links(), links);
        differ(text, "note", specimen.notes(), notes);
        differ(text, "aside", specimen.asides(), asides);
        return text.toString();
    }

    private static void differ(StringBuilder text, String what, List<String> wanted, List<String> found) {
        List<String> left = new ArrayList<>(found.stream().map(Score::squeezed).toList());
        for (String one : wanted) if (!left.remove(squeezed(one))) text.append("  - ").append(what).append(": ").append(one).append('\n');
        for (String one : left) text.append("  + ").append(what).append(": ").append(one).append('\n');
    }
}
