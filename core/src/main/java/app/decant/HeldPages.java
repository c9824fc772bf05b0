package app.decant;

import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Progress;
import app.decant.page.LogicalStructure;
import app.decant.page.Mending;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.check.StandardCheck;
import app.decant.pdf.keep.KeptWriter;
import app.decant.pdf.keep.KeptPages;
import app.decant.pdf.mend.PageTagging;
import app.decant.words.Message;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.slf4j.LoggerFactory;

/**
 * Pages of a PDF, held to a standard: as they are where they keep it, else repaired, as little as is enough. Whether they keep it then is found by
 * writing them once and looking.
 *
 * @param pages  null where they can't keep it
 * @param broken what they break, if they can't
 */
record HeldPages(KeptPages pages, List<Message> broken) {
    /**
     * Holds pages to a standard.
     *
     * @param file      they are from
     * @param structure what they hold, for a standard that wants to be told; asked only if the file does not tell it well
     */
    static HeldPages of(Path file, KeptPages pages, Standard standard, Supplier<LogicalStructure> structure, Progress progress) {
        try {
            boolean touched = IntStream.range(0, pages.count()).anyMatch(page -> !pages.isOwn(page) || pages.rewritten(page) != null);
            if (!touched && pages.claims(standard) && keeps(file, standard)) return new HeldPages(pages, List.of());
            boolean tags = standard.needsTags() && !pages.isTagged();
            Mending mending = new Mending(false, tags ? structure.get() : null);
            List<StandardCheck.Broken> broken = tried(pages.mended(mending), standard, progress);
            if (broken.stream().anyMatch(StandardCheck.Broken::isOfInks)) {
                mending = new Mending(true, mending.structure());
                broken = tried(pages.mended(mending), standard, progress);
            }
            if (!tags && standard.needsTags() && broken.stream().anyMatch(StandardCheck.Broken::isOfStructure)) {
                mending = new Mending(mending.inks(), structure.get());
                broken = tried(pages.mended(mending), standard, progress);
            }
            return broken.isEmpty() ? new HeldPages(pages.mended(mending), List.of())
                    : new HeldPages(null, broken.stream().map(StandardCheck.Broken::message).toList());
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told && told.kind() == DecantException.Kind.CANCELLED) throw told;
            LoggerFactory.getLogger(HeldPages.class).info("{} can't be held to a standard", file, e);
            return new HeldPages(null, List.of(Message.of("open.cannot-be-examined")));
        }
    }

    private static boolean keeps(Path file, Standard standard) {
        try {
            return StandardCheck.broken(file, standard).isEmpty();
        } catch (IOException e) {
            // Locked, or damaged in a way that is mended when it is written anew.
            LoggerFactory.getLogger(HeldPages.class).info("{} can't be held to a standard as it is", file, e);
            return false;
        }
    }

    private static List<StandardCheck.Broken> tried(KeptPages pages, Standard standard, Progress progress) throws IOException {
        Facts facts = pages.facts().title() == null ? pages.facts().withTitle(pages.original().orElseThrow().name()) : pages.facts();
        PdfChoices choices = new PdfChoices(IntStream.range(0, pages.count()).boxed().toList(), PdfStyle.PLAIN.with(standard), facts, Instant.EPOCH);
        Path trial = Files.createTempFile("decant", ".pdf");
        try {
            try (OutputStream out = Files.newOutputStream(trial)) {
                KeptWriter.write(pages, choices, KeptWriter.FactsWish.TOLD_BESIDES, out, progress);
            } catch (DecantException e) {
                // Setting pages anew gives pictures no words either: whoever makes the file is told.
                if (e.message().key().equals(PageTagging.NEEDS_WORDS)) return List.of();
                throw e;
            }
            return StandardCheck.rules(trial, standard);
        } finally {
            Files.delete(trial);
        }
    }
}
