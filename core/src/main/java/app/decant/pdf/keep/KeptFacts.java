package app.decant.pdf.keep;

import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.Standard;
import app.decant.pdf.write.DocumentFacts;
import app.decant.words.Message;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.slf4j.LoggerFactory;

/** What a file says about itself (ISO 32000-2, 14.3.3). */
final class KeptFacts {
    private static final Set<String> STANDARD = Set.of("Title", "Author", "Subject", "Keywords", "Creator", "Producer", "CreationDate", "ModDate", "Trapped");

    private KeptFacts() { }

    static Facts of(PDDocument pdf) {
        PDDocumentInformation info = pdf.getDocumentInformation();
        Map<String, String> others = new TreeMap<>();
        COSDictionary entries = info.getCOSObject();
        for (COSName name : entries.keySet())
            if (!STANDARD.contains(name.getName()) && entries.getDictionaryObject(name) instanceof COSString text) others.put(name.getName(), text.getString());
        return new Facts(text(info.getTitle()), text(info.getSubject()), text(info.getAuthor()), text(info.getKeywords()),
                text(pdf.getDocumentCatalog().getLanguage()), instant(info, true), instant(info, false), others);
    }

    private static String text(String value) { return value == null || value.isBlank() ? null : value.trim(); }

    private static Instant instant(PDDocumentInformation info, boolean made) {
        try {
            Calendar when = made ? info.getCreationDate() : info.getModificationDate();
            return when == null ? null : when.toInstant();
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(KeptFacts.class).info("A date is written in no way that is known", e);
            return null;
        }
    }

    /**
     * Says facts anew, in both places.
     *
     * @param facts all that is to be said; those the file has already included
     * @return what was found on the way
     */
    static List<Finding> write(PDDocument pdf, Facts facts, PdfChoices choices, boolean only) throws IOException {
        DocumentFacts.Times times = DocumentFacts.Times.of(choices);
        if (facts.language() != null) pdf.getDocumentCatalog().setLanguage(facts.language());
        PDMetadata metadata = pdf.getDocumentCatalog().getMetadata();
        if (only || metadata == null) {
            DocumentFacts.write(pdf, facts, times, Standard.NONE);
            return List.of();
        }
        try {
            byte[] packet = Metadata.of(metadata.toByteArray()).with(facts, times.changed() == null ? null : times.changed().truncatedTo(ChronoUnit.SECONDS)
                    .toString());
            PDMetadata made = new PDMetadata(pdf, new ByteArrayInputStream(packet));
            pdf.getDocumentCatalog().setMetadata(made);
        } catch (IOException e) {
            LoggerFactory.getLogger(KeptFacts.class).info("The metadata of a file is made anew", e);
            DocumentFacts.write(pdf, facts, times, Standard.NONE);
            return List.of(Finding.changed(Message.of("keep.its-metadata-could-not-be-read")));
        }
        PDDocumentInformation info = pdf.getDocumentInformation();
        info.setTitle(facts.title());
        info.setSubject(facts.subject());
        info.setAuthor(facts.author());
        info.setKeywords(facts.keywords());
        facts.others().forEach((name, value) -> info.getCOSObject().setString(COSName.getPDFName(name), value));
        for (COSName name : List.copyOf(info.getCOSObject().keySet()))
            if (!STANDARD.contains(name.getName()) && !facts.others().containsKey(name.getName())) info.getCOSObject().removeItem(name);
        if (times.changed() != null) info.setModificationDate(GregorianCalendar.from(times.changed().truncatedTo(ChronoUnit.SECONDS).atZone(ZoneOffset.UTC)));
        return List.of();
    }
}
