package app.decant.demo;

import app.decant.format.ooxml.DocxWriter;
import app.decant.format.sheet.SheetFormat;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;

/** Writes the demo company's documents into a folder. */
public final class DemoFiles {
    private static final Instant MADE = Instant.parse("2026-11-16T10:00:00Z");

    private DemoFiles() { }

    /** Writes all files that are not there yet and gives them in order, the one to begin with first. */
    public static List<Path> into(Path folder) throws IOException {
        Files.createDirectories(folder);
        List<Path> files = new ArrayList<>();
        files.add(written(folder.resolve("Passenger handbook.docx"), () -> DocxWriter.write(PassengerHandbook.document(), MADE)));
        files.add(written(folder.resolve("Harbour notice 27.docx"), () -> DocxWriter.write(HarbourNotice.document(), MADE)));
        files.add(written(folder.resolve("Winter fares.xlsx"), () -> SheetFormat.XLSX.write(FaresWorkbook.workbook(), MADE).bytes()));
        files.add(written(folder.resolve("Rules for animals, draft.docx"), () -> DocxWriter.write(PetRules.document(), MADE)));
        return files;
    }

    private static Path written(Path file, Supplier<byte[]> content) throws IOException {
        if (!Files.exists(file)) Files.write(file, content.get());
        return file;
    }
}
