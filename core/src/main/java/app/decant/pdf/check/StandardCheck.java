package app.decant.pdf.check;

import app.decant.pdf.Standard;
import app.decant.words.Message;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.slf4j.LoggerFactory;
import org.verapdf.core.EncryptedPdfException;
import org.verapdf.core.ModelParsingException;
import org.verapdf.core.ValidationException;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.PDFAValidator;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;
import org.verapdf.pdfa.results.ValidationResult;

/** Holds a file to the machine rules of ISO 19005 and ISO 14289, as the veraPDF validation model states them. */
public final class StandardCheck {
    private static final Map<String, String> FIRST_PART = Map.of("6.2", "colours", "6.3", "fonts", "6.4", "transparency",
            "6.5", "annotations", "6.6", "actions", "6.7", "facts", "6.8", "structure", "6.9",
            "fields");
    private static final Map<String, String> LATER_PARTS = Map.of("6.2", "colours", "6.2.10", "transparency", "6.2.11",
            "fonts", "6.3", "annotations", "6.4", "fields", "6.5", "actions", "6.6", "facts", "6.7",
            "structure", "6.8", "files", "6.9", "layers");
    private static final Map<String, String> ACCESSIBLE = Map.of("7.1", "title", "7.2", "language", "7.3", "descriptions",
            "7.4", "headings", "7.5", "tables", "7.18", "annotations", "7.20", "forms", "7.21", "fonts",
            "7.9", "notes", "7.10", "layers");

    private StandardCheck() { }

    /**
     * What the file breaks: one sentence a rule with the clause it stands in; empty where it keeps all.
     *
     * @throws IOException where the file can't be parsed at all
     */
    public static List<String> broken(Path file, Standard standard) throws IOException {
        List<String> broken = new ArrayList<>();
        if (standard.isArchive()) check(file, PDFAFlavour.fromString(standard.part() + standard.conformance().toLowerCase(Locale.ROOT)), broken);
        if (standard.isAccessible()) check(file, PDFAFlavour.PDFUA_1, broken);
        return broken;
    }

    /** What a clause is about, in a few words; what exactly is broken stands in the log. */
    private static String about(PDFAFlavour flavour, String clause) {
        Map<String, String> topics = flavour == PDFAFlavour.PDFUA_1 ? ACCESSIBLE : flavour.getPart().getPartNumber() == 1 ? FIRST_PART : LATER_PARTS;
        String found = null;
        for (String topic : topics.keySet()) if ((clause + ".").startsWith(topic + ".") && (found == null || topic.length() > found.length())) found = topic;
        return Message.of("topic." + (found == null ? "build" : topics.get(found))).toString();
    }

    private static synchronized void check(Path file, PDFAFlavour flavour, List<String> broken) throws IOException {
        VeraGreenfieldFoundryProvider.initialise();
        try (PDFAParser parser = Foundries.defaultInstance().createParser(file.toFile(), flavour); PDFAValidator validator = Foundries.defaultInstance()
                .createValidator(flavour, false)) {
            ValidationResult result = validator.validate(parser);
            for (TestAssertion assertion : result.getTestAssertions()) {
                if (assertion.getStatus() != TestAssertion.Status.FAILED) continue;
                String clause = assertion.getRuleId().getClause();
                String sentence = about(flavour, clause) + " (" + assertion.getRuleId().getSpecification().getId() + ", " + clause + ")";
                LoggerFactory.getLogger(StandardCheck.class).info("{}: {}", sentence, assertion.getMessage());
                if (!broken.contains(sentence)) broken.add(sentence);
            }
            if (!result.isCompliant() && broken.isEmpty()) broken.add(Message.of("check.rules-broken", flavour.getId()).toString());
        } catch (ModelParsingException | ValidationException | EncryptedPdfException e) {
            throw new IOException("The file can't be held to " + flavour.getId(), e);
        }
    }
}
