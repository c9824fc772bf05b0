package app.decant.cli;

import app.decant.document.Finding;
import app.decant.pdf.check.PdfCheck;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import java.util.Locale;

/** Values as JSON. */
final class Json {
    private static final ObjectMapper MAPPER = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    private Json() { }

    static ObjectNode object() { return MAPPER.createObjectNode(); }

    static ArrayNode array() { return MAPPER.createArrayNode(); }

    static ArrayNode findings(List<Finding> findings) {
        ArrayNode array = array();
        for (Finding finding : findings) {
            ObjectNode node = array.addObject();
            node.put("weight", finding.weight().name().toLowerCase(Locale.ROOT));
            node.put("what", finding.what());
            if (!finding.where().isEmpty()) node.put("where", finding.where());
        }
        return array;
    }

    static ArrayNode proofs(List<PdfCheck.Proof> proofs) {
        ArrayNode array = array();
        for (PdfCheck.Proof proof : proofs) array.addObject().put("sentence", proof.sentence()).put("holds", proof.holds());
        return array;
    }

    static String text(Object value) {
        try {
            return MAPPER.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }
}
