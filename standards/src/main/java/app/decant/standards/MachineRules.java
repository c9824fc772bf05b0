package app.decant.standards;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

/** The rules of one standard that a machine can look after. */
public enum MachineRules {
    PDF_A_1A(PDFAFlavour.PDFA_1_A), PDF_A_1B(PDFAFlavour.PDFA_1_B), PDF_A_2A(PDFAFlavour.PDFA_2_A), PDF_A_2B(PDFAFlavour.PDFA_2_B),
    PDF_A_2U(PDFAFlavour.PDFA_2_U), PDF_A_3A(PDFAFlavour.PDFA_3_A), PDF_A_3B(PDFAFlavour.PDFA_3_B), PDF_A_3U(PDFAFlavour.PDFA_3_U),
    PDF_UA_1(PDFAFlavour.PDFUA_1);

    private final PDFAFlavour flavour;

    MachineRules(PDFAFlavour flavour) { this.flavour = flavour; }

    /**
     * A rule that is not kept.
     *
     * @param standard as the standards' body calls it, such as {@code ISO 19005-2:2011}
     * @param clause   its number
     * @param why      what was found, in the words of the model, for the log
     */
    public record Broken(String standard, String clause, String why) { }

    /**
     * What a file breaks, each clause once; a clause without a number where the file as a whole is refused.
     *
     * @throws IOException where the file can't be parsed at all
     */
    public List<Broken> broken(Path file) throws IOException {
        // The model keeps its state in places that all threads share.
        synchronized (MachineRules.class) {
            VeraGreenfieldFoundryProvider.initialise();
            try (PDFAParser parser = Foundries.defaultInstance().createParser(file.toFile(), flavour);
                    PDFAValidator validator = Foundries.defaultInstance().createValidator(flavour, false)) {
                ValidationResult result = validator.validate(parser);
                Map<String, Broken> broken = new LinkedHashMap<>();
                for (TestAssertion assertion : result.getTestAssertions()) {
                    if (assertion.getStatus() != TestAssertion.Status.FAILED) continue;
                    String clause = assertion.getRuleId().getClause();
                    String standard = assertion.getRuleId().getSpecification().getId();
                    broken.putIfAbsent(standard + " " + clause, new Broken(standard, clause, assertion.getMessage()));
                }
                if (!result.isCompliant() && broken.isEmpty()) broken.put("", new Broken(flavour.getId(), "", "not compliant"));
                return List.copyOf(broken.values());
            } catch (ModelParsingException | ValidationException | EncryptedPdfException e) {
                throw new IOException("The file can't be held to " + flavour.getId(), e);
            }
        }
    }
}
