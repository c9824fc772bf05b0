package app.decant.demo;

import app.decant.document.Document;
import app.decant.format.ooxml.DocxWriter;
import app.decant.format.sheet.SheetFormat;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Writes the demo company's documents into a folder. */
public final class DemoFiles {
    private static final Instant MADE = Instant.parse("2026-11-16T10:00:00Z");

    private DemoFiles() { }

    /** Writes all files that are not there yet and gives them in order, the one to begin with first. */
    public static List<Path> into(Path folder) throws IOException {
        Files.createDirectories(folder);
        Map<String, Document> documents = new LinkedHashMap<>();
        documents.put("Passenger handbook.docx", PassengerHandbook.document());
        documents.put("Harbour notice 27.docx", HarbourNotice.document());
        List<Path> files = new ArrayList<>();
        for (Map.Entry<String, Document> entry : documents.entrySet()) {
            Path file = folder.resolve(entry.getKey());
            if (!Files.exists(file)) Files.write(file, DocxWriter.write(entry.getValue(), MADE));
            files.add(file);
        }
        Path fares = folder.resolve("Winter fares.xlsx");
        if (!Files.exists(fares)) Files.write(fares, SheetFormat.XLSX.write(FaresWorkbook.workbook(), MADE).bytes());
        files.add(fares);
        Path draft = folder.resolve("Rules for animals, draft.docx");
        if (!Files.exists(draft)) Files.write(draft, DocxWriter.write(PetRules.document(), MADE));
        files.add(draft);
        return files;
    }
}
