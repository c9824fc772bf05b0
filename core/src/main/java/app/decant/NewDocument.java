package app.decant;

import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section;
import app.decant.format.Content;
import app.decant.format.Formats;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Text documents that are begun here: empty, as a template is, or of what is seen on scanned pages. They are files from the first moment, so that work on them
 * is kept as on any other.
 */
public final class NewDocument {
    /** Where paper is measured in inches; common practice, no source. */
    private static final Set<String> LETTER_COUNTRIES = Set.of("US", "CA", "MX", "PH", "CL", "CO", "VE");
    private static final PageGeometry LETTER = new PageGeometry(612, 792, 72, 72, 72, 72, 36, 36, 0);

    private NewDocument() { }

    /**
     * Writes an empty document with the usual styles.
     *
     * @param file   where, in the format of its ending; another name where one is there already
     * @param locale its language, and whose paper
     * @return where it is
     * @throws app.decant.document.DecantException where it can't be written
     */
    public static Path empty(Path file, Locale locale) { return write(blank(locale), file, Progress.SILENT); }

    /**
     * Writes a document that begins as a template is.
     *
     * @throws app.decant.document.DecantException where one can't be read, or the other not written
     */
    public static Path from(Path template, Path file) {
        Document document = Decant.open(template).document();
        // It is nobody's yet, and of now.
        return write(document.withFacts(new Facts(null, null, null, null, document.facts().language(), null, null, Map.of())), file, Progress.SILENT);
    }

    /**
     * Writes a document of the words, tables and pictures that are seen on scanned pages, to be revised as any other.
     *
     * @param scans for which {@link #isOfScans} holds
     * @throws app.decant.document.DecantException where it can't be written, or was stopped
     */
    public static Path ofScans(Document scans, Path file, Progress progress) { return write(scans, file, progress); }

    /** Whether a document is nothing but scanned pages with words under them. */
    public static boolean isOfScans(Document document) { return ScannedText.isAll(document); }

    static Document blank(Locale locale) {
        String page = "<html lang=\"" + locale.toLanguageTag() + "\"><body><p></p></body></html>";
        Content content = new Content(page.getBytes(StandardCharsets.UTF_8), "new.html");
        Document styled = Formats.of(content).read(content, null, Progress.SILENT).document();
        Section section = LETTER_COUNTRIES.contains(locale.getCountry()) ? Section.PLAIN.on(LETTER) : Section.PLAIN;
        return styled.withSections(List.of(section.withBlocks(List.of(Paragraph.of("")))));
    }

    private static Path write(Document document, Path file, Progress progress) {
        String ending = file.getFileName().toString().replaceFirst("^.*\\.", "");
        Target told = Target.of(ending);
        Target target = told == null || told == Target.PDF || !List.of(Target.values()).contains(told) ? Target.DOCX : told;
        Path named = ending.equals(target.ending()) ? file : file.resolveSibling(file.getFileName() + "." + target.ending());
        Recipe recipe = Recipe.PLAIN.to(target).with(Recipe.WhenPresent.KEEP_BOTH);
        return Decant.publish(new Order(Decant.layOut(document), recipe), named, progress).get(0).file();
    }
}
