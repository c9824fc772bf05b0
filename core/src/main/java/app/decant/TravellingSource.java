package app.decant;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.edit.LikewiseChanges;
import app.decant.format.Format;
import app.decant.format.Formats;
import app.decant.format.OfficeLock;
import app.decant.format.Taken;
import app.decant.format.Written;
import app.decant.pdf.Attachment;
import app.decant.words.Message;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.slf4j.LoggerFactory;

/**
 * The document that travels inside a PDF as what it was made from (ISO 32000-2, 14.13): as it reads now, so that whoever takes it out goes on from what is
 * printed. Of a PDF that has one inside already, it is that one, with what was changed in the PDF changed in it as well.
 *
 * @param attachment null where the file itself is to travel, as it lies there
 * @param findings   what it does not hold of the changes
 */
public record TravellingSource(Attachment attachment, List<Finding> findings) {
    public TravellingSource { findings = List.copyOf(findings); }

    /**
     * Makes it.
     *
     * @param file     the document was taken from
     * @param password that opens it, or null; the copy inside is locked by the same
     * @param came     as it was taken in
     * @param now      as it is published
     */
    public static TravellingSource of(Path file, String password, Taken came, Document now) {
        Optional<Attachment> inside = Decant.sourceInside(file, password);
        boolean changed = came.document() != now;
        if (inside.isPresent()) return changed ? carried(inside.get(), came.document(), now) : new TravellingSource(inside.get(), List.of());
        if (!changed) return new TravellingSource(null, List.of());
        String name = String.valueOf(file.getFileName());
        Format format = came.format();
        if (!format.writes())
            return new TravellingSource(null, List.of(Finding.changed(Message.of("open.source-travels-unchanged", name))));
        boolean locked = password != null && !password.isEmpty() && !Decant.opens(file, null);
        Written written = format.write(now, Instant.now());
        byte[] made = locked && format.locks() ? OfficeLock.locked(written.bytes(), password) : written.bytes();
        return new TravellingSource(new Attachment(name, "application/octet-stream", made, "The document this was made from"), told(name, written.findings()));
    }

    private static TravellingSource carried(Attachment inside, Document came, Document now) {
        Taken source;
        try {
            source = Formats.read(inside.bytes(), inside.name(), null, Progress.SILENT);
        } catch (DecantException e) {
            LoggerFactory.getLogger(TravellingSource.class).info("{} stays inside as it is", inside.name(), e);
            return new TravellingSource(inside, List.of(stale(inside)));
        }
        LikewiseChanges.Result result = LikewiseChanges.make(came, now, source.document());
        boolean writes = source.format().writes();
        List<Finding> findings = new ArrayList<>();
        int missing = writes ? result.left() : result.left() + result.made();
        if (missing > 0) findings.add(Finding.changed(Message.of("open.changes-missing-inside", missing, inside.name())));
        if (!writes || result.made() == 0) return new TravellingSource(inside, findings);
        Written written = source.format().write(result.document(), Instant.now());
        findings.addAll(told(inside.name(), written.findings()));
        return new TravellingSource(new Attachment(inside.name(), inside.type(), written.bytes(), inside.description()), findings);
    }

    /** What is told of a PDF whose pages were changed while the document inside it is to stay. */
    public static Finding stale(Attachment inside) { return Finding.changed(Message.of("open.inside-is-not-changed", inside.name())); }

    private static List<Finding> told(String name, List<Finding> findings) {
        return findings.stream().filter(finding -> finding.weight() != Finding.Weight.NOTE)
                .map(finding -> new Finding(finding.weight(), Message.of("open.in-the-document-inside", name, finding.message()), finding.place())).toList();
    }
}
