package app.decant;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** Where the labels of list items and numbered headings stand on the pages of a file, and what has to be done to them where items come or go. */
final class StandingLabels {
    /** Labels of a list that stand at one edge do so to this, in points; those that don't are farther from it. */
    private static final double NEAR = 0.6;
    private static final double FAR = 1.5;

    private final Walk walk;
    private final Provenance provenance;
    private final Cascade cascade;
    private final Document before;
    private ListLabels labels;
    private final Map<Paragraph, double[]> edges = new IdentityHashMap<>();

    StandingLabels(Document before, Walk walk, Provenance provenance, Cascade cascade) {
        this.walk = walk;
        this.provenance = provenance;
        this.cascade = cascade;
        this.before = before;
    }

    /** How many letters of its first line are the label of a paragraph. */
    static int length(Paragraph paragraph, Provenance provenance) {
        int[][] places = provenance.places(paragraph);
        if (places != null) for (int[] place : places) if (place != null) return place[0] == 0 ? place[1] : 0;
        return 0;
    }

    /** The label of a paragraph as it came, null where it has none; all are counted when the first is asked for, since most corrections ask for none. */
    String label(Paragraph paragraph) {
        if (labels == null) labels = ListLabels.of(before, cascade);
        return labels.label(paragraph);
    }

    /** The marks that show the label of a paragraph as it came; none where it has none, or it is drawn. */
    List<Integer> marks(Paragraph paragraph) {
        List<Integer> marks = new ArrayList<>();
        if (label(paragraph) == null || provenance.of(paragraph).isEmpty()) return marks;
        Provenance.Line line = provenance.of(paragraph).get(0);
        for (int i = 0, length = length(paragraph, provenance); i < length; i++) {
            int mark = line.marks()[i];
            if (mark >= 0 && !Character.isWhitespace(line.letters().charAt(i)) && !marks.contains(mark)) marks.add(mark);
        }
        return marks;
    }

    /** Whether what a page shows before a paragraph is what is counted. */
    private boolean isShown(Paragraph paragraph) {
        String shown = provenance.of(paragraph).get(0).letters().substring(0, length(paragraph, provenance));
        return shown.replaceAll("\\s", "").equals(label(paragraph).replaceAll("\\s", ""));
    }

    /**
     * The labels of paragraphs that take the place of others; empty where they are in no list, null where it can't be told how they look.
     *
     * @param old   paragraphs as they came
     * @param fresh the labels of those as they are to be
     */
    List<Correction.Label> of(List<Paragraph> old, List<String> fresh) {
        boolean listed = old.stream().anyMatch(one -> label(one) != null);
        if (!listed && fresh.stream().allMatch(Objects::isNull)) return List.of();
        List<Correction.Label> made = new ArrayList<>();
        for (String label : fresh) {
            Paragraph like = old.stream().filter(one -> label(one) != null && label(one).equals(label)).findFirst().orElse(old.get(0));
            List<Integer> marks = marks(like);
            if (label == null || marks.isEmpty()) return null;
            if (label.equals(label(like))) made.add(new Correction.Label(null, marks, isAtRight(like)));
            else if (isShown(like)) made.add(new Correction.Label(label.strip(), marks, isAtRight(like)));
            else return null;
        }
        return made;
    }

    /**
     * What is done to a label that counts something else than it did, or looks otherwise; null where that can't be had in place.
     *
     * @param was how it looked
     * @param is  how it is to look
     */
    Correction relabelled(Paragraph paragraph, String fresh, Look was, Look is) {
        List<Integer> marks = marks(paragraph);
        if (marks.isEmpty() || fresh == null || !isShown(paragraph)) return null;
        Correction.Run run = WordChange.run(was, is, fresh.strip());
        // Of another size it would have to go down with its line.
        if (run == null || run.share() != 1) return null;
        Correction.Passage passage = new Correction.Passage(List.of(marks), Set.of(), false, null, 0, null);
        return new Correction(passage, 0, 0, 0, marks.size(), List.of(run),
                isAtRight(paragraph) ? Correction.Setting.AT_RIGHT : Correction.Setting.AT_LEFT, false);
    }

    /** Whether the labels of a list end below one another though they are not equally wide. */
    private boolean isAtRight(Paragraph paragraph) {
        double[] own = edges(paragraph);
        ParagraphProperty.ListReference list = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        for (Walk.Stop stop : walk.stops()) {
            Paragraph other = stop.paragraph();
            if (other == paragraph || label(other) == null || !Objects.equals(list, cascade.paragraph(other).get(ParagraphProperty.LIST))) continue;
            double[] edges = edges(other);
            if (own == null || edges == null) continue;
            if (Math.abs(edges[0] - own[0]) > FAR && Math.abs(edges[1] - own[1]) < NEAR) return true;
        }
        return false;
    }

    /** Where a label begins and ends, in points; null where none is known. */
    private double[] edges(Paragraph paragraph) { return edges.computeIfAbsent(paragraph, this::found); }

    private double[] found(Paragraph paragraph) {
        if (provenance.of(paragraph).isEmpty()) return null;
        Provenance.Line line = provenance.of(paragraph).get(0);
        double[] edges = null;
        for (int i = 0, length = length(paragraph, provenance); i < length; i++) {
            if (line.marks()[i] < 0 || Character.isWhitespace(line.letters().charAt(i))) continue;
            if (edges == null) edges = new double[] {line.lefts()[i], line.rights()[i]};
            edges[1] = Math.max(edges[1], line.rights()[i]);
        }
        return edges;
    }
}
