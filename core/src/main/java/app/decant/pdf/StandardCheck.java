package app.decant.pdf;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
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
    private StandardCheck() { }

    /**
     * What the file breaks: one sentence a rule with the clause it stands in; empty where it keeps all.
     *
     * @throws IOException where the file can't be parsed at all
     */
    public static List<String> broken(Path file, Standard standard) throws IOException {
        List<String> broken = new ArrayList<>();
        if (standard.isArchive()) check(file, PDFAFlavour.fromString(standard.part() + standard.conformance().toLowerCase(java.util.Locale.ROOT)), broken);
        if (standard.isAccessible()) check(file, PDFAFlavour.PDFUA_1, broken);
        return broken;
    }

    private static synchronized void check(Path file, PDFAFlavour flavour, List<String> broken) throws IOException {
        VeraGreenfieldFoundryProvider.initialise();
        try (PDFAParser parser = Foundries.defaultInstance().createParser(file.toFile(), flavour); PDFAValidator validator = Foundries.defaultInstance().createValidator(flavour, false)) {
            ValidationResult result = validator.validate(parser);
            for (TestAssertion assertion : result.getTestAssertions()) {
                if (assertion.getStatus() != TestAssertion.Status.FAILED) continue;
                String sentence = assertion.getRuleId().getSpecification().getId() + ", " + assertion.getRuleId().getClause() + ": " + assertion.getMessage();
                if (!broken.contains(sentence)) broken.add(sentence);
            }
            if (!result.isCompliant() && broken.isEmpty()) broken.add(flavour.getId() + ": not all rules are kept");
        } catch (ModelParsingException | ValidationException | EncryptedPdfException e) {
            throw new IOException("The file can't be held to " + flavour.getId(), e);
        }
    }
}
