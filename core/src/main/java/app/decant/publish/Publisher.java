package app.decant.publish;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.FileKind;
import app.decant.format.ooxml.DocxReader;
import app.decant.format.ooxml.DocxWriter;
import app.decant.format.text.TextWriter;
import app.decant.layout.Pages;
import app.decant.pdf.PdfCheck;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** Publishes laid-out documents. */
public final class Publisher {
    private Publisher() { }

    /**
     * Writes one output, opens it again, checks it, and only then gives it its name.
     *
     * @param file where it is to be
     * @param when recorded in the file as its time of making
     * @throws DecantException where it can't be written or does not hold what it should; an older file of the name is then as it was
     */
    public static Receipt publish(Pages pages, Recipe recipe, Path file, Instant when, Progress progress) {
        long start = System.nanoTime();
        List<PdfCheck.Proof> proofs = new ArrayList<>();
        List<Finding> findings = new ArrayList<>(pages.findings());
        List<Integer> chosen = recipe.target() == Target.PDF ? recipe.pages().of(pages.count()) : List.of();
        Path done = switch (recipe.target()) {
            case PDF -> pdf(pages, recipe, chosen, file, when, proofs, findings, progress);
            case DOCX -> docx(pages.withFieldResults(), recipe, file, when, proofs);
            case TXT -> text(pages.withFieldResults(), recipe, file, proofs, findings);
        };
        try {
            return new Receipt(done, recipe.target(), chosen.size(), Files.size(done), proofs, findings, Duration.ofNanos(System.nanoTime() - start));
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, done.getFileName() + " vanished right after it was written. Publish it again.", e);
        }
    }

    private static Path pdf(Pages pages, Recipe recipe, List<Integer> chosen, Path file, Instant when, List<PdfCheck.Proof> proofs, List<Finding> findings, Progress progress) {
        PdfChoices choices = new PdfChoices(chosen, recipe.bookmarks(), recipe.fonts(), facts(pages), when);
        PdfWriter.Written[] written = new PdfWriter.Written[1];
        Path done = SafeFile.write(file, recipe.present(), out -> written[0] = PdfWriter.write(pages, choices, out, progress), made -> {
            progress.step(chosen.size(), chosen.size(), "Checking the file");
            proofs.addAll(PdfCheck.check(made, pages, choices, written[0]));
            refuseUnproven(file, proofs);
        });
        findings.addAll(written[0].findings());
        return done;
    }

    /** The title falls back to the first heading, so that windows and lists show something better than a file name. */
    private static Facts facts(Pages pages) {
        Facts facts = pages.document().facts();
        if (facts.title() != null || pages.outline().headings().isEmpty()) return facts;
        return facts.withTitle(pages.outline().headings().get(0).text());
    }

    private static Path docx(Document document, Recipe recipe, Path file, Instant when, List<PdfCheck.Proof> proofs) {
        return SafeFile.write(file, recipe.present(), out -> out.write(DocxWriter.write(document, when)), made -> {
            Document again = DocxReader.read(Files.readAllBytes(made), FileKind.DOCX, Progress.SILENT).document();
            boolean same = TextWriter.write(again).equals(TextWriter.write(document));
            proofs.add(new PdfCheck.Proof(same ? "Opened again: text whole and in order" : "Opened again: the text differs", same));
            refuseUnproven(file, proofs);
        });
    }

    private static Path text(Document document, Recipe recipe, Path file, List<PdfCheck.Proof> proofs, List<Finding> findings) {
        String text = TextWriter.write(document);
        findings.add(Finding.changed("Plain text holds no looks, pictures or page breaks.", ""));
        return SafeFile.write(file, recipe.present(), out -> out.write(text.getBytes(StandardCharsets.UTF_8)), made -> {
            boolean same = Files.readString(made).equals(text);
            proofs.add(new PdfCheck.Proof(same ? "Opened again: text whole and in order" : "Opened again: the text differs", same));
            refuseUnproven(file, proofs);
        });
    }

    private static void refuseUnproven(Path file, List<PdfCheck.Proof> proofs) {
        for (PdfCheck.Proof proof : proofs) {
            if (!proof.holds()) throw new DecantException(DecantException.Kind.NOT_PROVEN, file.getFileName() + " was not kept, since the check after writing failed: " + proof.sentence() + ". Nothing was replaced.");
        }
    }
}
