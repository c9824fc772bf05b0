package app.decant.publish;

import app.decant.document.Finding;
import app.decant.pdf.check.PdfCheck;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Receipts as files: text to read, JSON for programs. They tell no passwords. */
public final class ReceiptFile {
    private static final DateTimeFormatter STAMP = DateTimeFormatter.ofPattern("yyyy-MM-dd HH.mm.ss", Locale.ROOT).withZone(ZoneId.systemDefault());
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy, HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());
    private static final ObjectMapper MAPPER = new ObjectMapper().enable(SerializationFeature.INDENT_OUTPUT);

    private ReceiptFile() { }

    /** To read. */
    public static String text(Receipt receipt, Instant when) {
        StringBuilder text = new StringBuilder(receipt.file().getFileName() + "\n");
        text.append("published ").append(DAY.format(when)).append(" to ").append(receipt.file().toAbsolutePath().getParent()).append('\n');
        if (receipt.pages() > 0) text.append(receipt.pages()).append(receipt.pages() == 1 ? " page, " : " pages, ");
        text.append(receipt.bytes()).append(" bytes, ").append(String.format(Locale.ROOT, "%.1f", receipt.time().toMillis() / 1000.0)).append(" s\n\n");
        text.append("Looked at in the file after it was opened again:\n");
        for (PdfCheck.Proof proof : receipt.proofs()) text.append(proof.holds() ? "  [x] " : "  [ ] ").append(proof.sentence()).append('\n');
        List<Finding> findings = receipt.findings().stream().filter(finding -> finding.weight() != Finding.Weight.NOTE).toList();
        if (!findings.isEmpty()) text.append("\nWants a look:\n");
        for (Finding finding : findings) text.append("  - ").append(finding.what()).append('\n');
        return text.toString();
    }

    /** For programs: one, or several in an array. */
    public static String json(List<Receipt> receipts, Instant when) {
        try {
            return MAPPER.writeValueAsString(receipts.size() == 1 ? node(receipts.get(0), when) : MAPPER.createArrayNode()
                    .addAll(receipts.stream().map(receipt -> node(receipt, when)).toList())) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static ObjectNode node(Receipt receipt, Instant when) {
        ObjectNode root = MAPPER.createObjectNode().put("file", receipt.file().toAbsolutePath().toString()).put("when", when.toString())
                .put("to", receipt.target().ending()).put("pages", receipt.pages()).put("bytes", receipt.bytes())
                .put("seconds", receipt.time().toMillis() / 1000.0).put("proven", receipt.proven());
        ArrayNode proofs = root.putArray("proofs");
        for (PdfCheck.Proof proof : receipt.proofs()) proofs.addObject().put("sentence", proof.sentence()).put("holds", proof.holds());
        ArrayNode findings = root.putArray("findings");
        for (Finding finding : receipt.findings())
            findings.addObject().put("weight", finding.weight().name().toLowerCase(Locale.ROOT)).put("what", finding.what()).put("where", finding.where());
        return root;
    }

    /**
     * Writes those of one publication where somebody wants them: as JSON where the name ends so, else as text.
     *
     * @param guard what must be left alone besides the published files themselves
     */
    public static Path write(List<Receipt> receipts, Instant when, Path file, Guard guard) {
        String content = file.toString().endsWith(".json") ? json(receipts, when) : receipts.stream().map(receipt -> text(receipt, when))
                .collect(Collectors.joining("\n"));
        return SafeFile.write(file, Recipe.WhenPresent.REPLACE, guard.and(receipts.stream().map(Receipt::file).toList()),
                out -> out.write(content.getBytes(StandardCharsets.UTF_8)), SafeFile.UNSEEN);
    }

    /** Keeps one among all that were ever given, by date and name. */
    public static Path keep(Receipt receipt, Instant when, Path folder) {
        String content = json(List.of(receipt), when);
        return SafeFile.write(folder.resolve(STAMP.format(when) + " " + receipt.file().getFileName() + ".json"), Recipe.WhenPresent.KEEP_BOTH, Guard.OWN,
                out -> out.write(content.getBytes(StandardCharsets.UTF_8)), SafeFile.UNSEEN);
    }

    /** The kept ones, newest first. */
    public static List<Path> kept(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) return List.of();
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> file.toString().endsWith(".json")).sorted(Comparator.reverseOrder()).toList();
        }
    }
}
