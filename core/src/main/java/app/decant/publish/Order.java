package app.decant.publish;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.font.EmbeddingRight;
import app.decant.font.FontCatalogue;
import app.decant.page.Pages;
import app.decant.pdf.Attachment;
import app.decant.pdf.Overlay;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.keep.KeptWriter;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * What is to be published: pages, under a recipe, with passwords where it locks, and the file they came from.
 *
 * @param source the file the document was taken from, or null where it has none
 * @param others what else must be left alone when results are written; the source and what is laid on pages always are
 * @param inside what travels inside a PDF as its source where the recipe wishes for it; null for the source as it lies there
 */
public record Order(Pages pages, Recipe recipe, Recipe.Passwords passwords, Path source, Guard others, Attachment inside) {
    public Order(Pages pages, Recipe recipe) { this(pages, recipe, Recipe.Passwords.NONE, null); }

    public Order(Pages pages, Recipe recipe, Recipe.Passwords passwords, Path source) { this(pages, recipe, passwords, source, Guard.NONE); }

    public Order(Pages pages, Recipe recipe, Recipe.Passwords passwords, Path source, Guard others) { this(pages, recipe, passwords, source, others, null); }

    /** The same of other pages. */
    public Order with(Pages laidOut) { return new Order(laidOut, recipe, passwords, source, others, inside); }

    /** The same with something else travelling inside; null for the source as it lies there. */
    public Order with(Attachment travelling) { return new Order(pages, recipe, passwords, source, others, travelling); }

    /** What results must leave alone. */
    public Guard guard() { return others.and(source).and(recipe.laid().stream().filter(Laid::file).map(laid -> Path.of(laid.what())).toList()); }

    /** The order as its recipe permits: where fonts may not be put into files and others are to take their place, laid out anew with those. */
    public Order permitted() {
        if (recipe.restricted() != Recipe.Restricted.REPLACE || recipe.target() != Target.PDF) return this;
        Set<String> forbidden = new TreeSet<>();
        for (FontCatalogue.Match match : pages.fonts()) if (EmbeddingRight.forbidsOutlines(match.face().fsType())) forbidden.add(match.face().family());
        return forbidden.isEmpty() ? this : with(pages.without(forbidden));
    }

    /**
     * What is published as a text document.
     *
     * @throws DecantException where it is none
     */
    Document document() {
        return pages.origin(Document.class).orElseThrow(() -> new DecantException(DecantException.Kind.WRONG_CALL,
                Message.of("publish.this-cannot-be-made-a-since", recipe.target().ending())));
    }

    List<String> labels() { return pages.labels(); }

    PdfChoices choices(List<Integer> chosen, Instant when) {
        List<Overlay> overlays = recipe.laid().stream().map(laid -> laid.overlay(chosen.size(), facts().title(), when)).toList();
        return new PdfChoices(chosen, recipe.style(), recipe.protection(passwords), overlays, attachments(), facts(), recipe.facts().dates(),
                recipe.addresses(), when);
    }

    /** The title falls back to the first heading, so that windows and lists show something better than a file name. */
    String title() { return facts().title(); }

    /** What becomes of what a PDF says about itself whose pages are kept. */
    KeptWriter.FactsWish factsWish() {
        if (recipe.facts().equals(FactsRule.KEEP)) return KeptWriter.FactsWish.AS_THEY_ARE;
        return recipe.facts().stripped() ? KeptWriter.FactsWish.TOLD_ONLY : KeptWriter.FactsWish.TOLD_BESIDES;
    }

    private Facts facts() {
        // A file that stays itself is not given a title it never had.
        List<Pages.Heading> headings = pages.original().isPresent() ? List.of() : pages.headings();
        String heading = headings.isEmpty() ? null : headings.get(0).text();
        return recipe.facts().of(pages.facts(), heading);
    }

    private List<Attachment> attachments() {
        if (!recipe.attachSource()) return List.of();
        if (inside != null) return List.of(inside);
        if (source == null) return List.of();
        try {
            String type = Files.probeContentType(source);
            return List.of(new Attachment(source.getFileName().toString(), type == null ? "application/octet-stream" : type, Files.readAllBytes(source),
                    "The document this was made from"));
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("publish.which-is-to-travel-inside", source.getFileName()), e);
        }
    }
}
