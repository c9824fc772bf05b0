package app.decant.publish;

import app.decant.document.Finding;
import app.decant.pdf.check.PdfCheck;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/**
 * What became of a publication.
 *
 * @param file   the file under its final name
 * @param pages  how many pages it has, 0 where the format has none of its own
 * @param bytes  its size
 * @param proofs what was looked at after the file was opened again
 * @param findings what is different from the document
 */
public record Receipt(Path file, Target target, int pages, long bytes, List<PdfCheck.Proof> proofs, List<Finding> findings, Duration time) {
    public Receipt {
        proofs = List.copyOf(proofs);
        findings = List.copyOf(findings);
    }

    /** The same of a file that lies elsewhere now, such as in a mail. */
    public Receipt in(Path other) { return new Receipt(other, target, pages, bytes, proofs, findings, time); }

    /** The same with more that was found. */
    public Receipt with(List<Finding> more) {
        List<Finding> all = new ArrayList<>(findings);
        all.addAll(more);
        return new Receipt(file, target, pages, bytes, proofs, all, time);
    }

    /** Whether everything looked at holds. */
    public boolean proven() { return proofs.stream().allMatch(PdfCheck.Proof::holds); }
}
