package app.decant.bench;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.ListLabels;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.layout.PagedDocument;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Takes every text document of a folder as what is true, publishes it as a PDF without tags and as one with them, takes these in, and tells how much of its
 * structure comes back: each figure precision and recall. Files are split by their names into a half to work with, of which all is told, and a half that is
 * only counted.
 */
public final class Structures {
    private static final int MOST_PAGES = 60;
    private static final List<String> KINDS = List.of("characters", "paragraphs", "headings", "levels", "list items", "cells", "links", "pictures");

    /** What there is of each kind, and what of it came back. */
    private record Count(int wanted, int found, int right) {
        Count plus(Count other) { return new Count(wanted + other.wanted, found + other.found, right + other.right); }

        @Override public String toString() {
            return String.format(Locale.ROOT, "%.3f / %.3f", found == 0 ? 1 : (double) right / found, wanted == 0 ? 1 : (double) right / wanted);
        }
    }

    private final Map<String, List<String>> things = new HashMap<>();

    private Structures(Document document) {
        for (String kind : KINDS) things.put(kind, new ArrayList<>());
        Cascade cascade = Cascade.of(document);
        ListLabels labels = ListLabels.of(document, cascade);
        for (Outline.Heading heading : Outline.of(document, cascade, labels).headings()) {
            add("headings", heading.title());
            add("levels", heading.level() + " " + heading.title());
        }
        for (Section section : document.sections()) for (Block block : section.blocks()) visit(block, cascade, labels);
    }

    private void add(String kind, String what) {
        String bare = bare(what);
        if (!bare.isEmpty()) things.get(kind).add(bare);
    }

    /** Capitals may be a look of the source's. */
    private static String bare(String text) { return text.toLowerCase(Locale.ROOT).replaceAll("[\\s\\p{Z}\u00AD\uFFFC]+", ""); }

    private void visit(Block block, Cascade cascade, ListLabels labels) {
        if (block instanceof Contents contents) {
            for (Paragraph entry : contents.entries()) visit(entry, cascade, labels);
        } else if (block instanceof Table table) {
            for (Table.Row row : table.rows()) {
                for (Table.Cell cell : row.cells()) {
                    StringBuilder own = new StringBuilder();
                    for (Block inner : cell.blocks()) if (inner instanceof Paragraph paragraph) own.append(paragraph.plainText()).append(' ');
                    add("cells", own.toString());
                    characters(own.toString());
                }
            }
        } else if (block instanceof Paragraph paragraph) {
            visit(paragraph, cascade, labels);
        }
    }

    private void visit(Paragraph paragraph, Cascade cascade, ListLabels labels) {
        StringBuilder shown = new StringBuilder();
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.InlinePicture || inline instanceof Inline.Floating one && one.content() instanceof Picture) add("pictures", "picture");
            if (inline instanceof Inline.Floating one && one.content() instanceof TextBox box)
                for (Block inner : box.blocks()) visit(inner, cascade, labels);
            if (inline instanceof Inline.Text text && inline.look().get(TextProperty.LINK) instanceof Link.Address) shown.append(text.text());
        }
        add("links", shown.toString());
        characters(paragraph.plainText());
        if (cascade.outlineLevel(paragraph) > 0) return;
        String label = labels.label(paragraph);
        // Whether lines that were each ended by hand are one paragraph or several nothing tells on paper.
        for (String one : paragraph.plainText().split(String.valueOf(Inline.LINE_BREAK)))
            add(label != null && !label.isBlank() ? "list items" : "paragraphs", one);
    }

    private void characters(String text) { bare(text).codePoints().forEach(one -> things.get("characters").add(Character.toString(one))); }

    private static Count count(List<String> wanted, List<String> found) {
        Map<String, Integer> left = new HashMap<>();
        for (String one : found) left.merge(one, 1, Integer::sum);
        int right = 0;
        for (String one : wanted) if (left.merge(one, -1, Integer::sum) >= 0) right++;
        return new Count(wanted.size(), found.size(), right);
    }

    /** What is wanted and did not come, and what came and was not wanted. */
    private static void differ(String kind, List<String> wanted, List<String> found) {
        List<String> left = new ArrayList<>(found);
        for (String one : wanted) if (!left.remove(one)) System.out.println("  - " + kind + ": " + one);
        for (String one : left) System.out.println("  + " + kind + ": " + one);
    }

    public static void main(String[] arguments) throws IOException {
        Path scratch = Files.createTempDirectory("structures");
        Map<String, Map<String, Count>> sums = new TreeMap<>();
        List<Path> files;
        try (Stream<Path> listed = Files.list(Path.of(arguments[0]))) {
            files = listed.filter(file -> file.toString().matches(".*\\.(docx|doc|odt|rtf)")).sorted().toList();
        }
        for (Path file : files) {
            try {
                Document document = Decant.open(file).document();
                PagedDocument pages = Decant.layOut(document);
                if (pages.count() > MOST_PAGES) continue;
                boolean told = (file.getFileName().toString().hashCode() & 1) == 0;
                for (boolean tagged : new boolean[] {false, true}) {
                    Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE);
                    Path pdf = scratch.resolve("made.pdf");
                    Decant.publish(new Order(pages, recipe.with(recipe.style().tagged(tagged))), pdf, Progress.SILENT);
                    compare(file, new Structures(document), new Structures(Decant.open(pdf).document()), tagged, told, sums);
                }
            } catch (RuntimeException | Error e) {
                System.out.println(file.getFileName() + " did not come through: " + e);
            }
        }
        System.out.println("| | " + String.join(" | ", KINDS) + " |\n|---|" + "---|".repeat(KINDS.size()));
        sums.forEach((name, counts) -> System.out.println("| " + name + " | "
                + String.join(" | ", KINDS.stream().map(kind -> counts.get(kind).toString()).toList()) + " |"));
    }

    private static void compare(Path file, Structures wanted, Structures found, boolean tagged, boolean told, Map<String, Map<String, Count>> sums) {
        String name = (tagged ? "tagged" : "without tags") + ", " + (told ? "worked with" : "counted only");
        if (told) System.out.println(file.getFileName() + (tagged ? " (tagged)" : ""));
        for (String kind : KINDS) {
            Count count = count(wanted.things.get(kind), found.things.get(kind));
            sums.computeIfAbsent(name, key -> new HashMap<>()).merge(kind, count, Count::plus);
            if (told && !kind.equals("characters") && !kind.equals("levels")) differ(kind, wanted.things.get(kind), found.things.get(kind));
        }
    }
}
