package app.decant.outbox;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.pdf.PdfDoor;
import app.decant.publish.Guard;
import app.decant.publish.PageRange;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.util.Matrix;

/** A printer that is a folder: what would come out of it, sheet by sheet, as a PDF. */
public final class PrintFolder {
    private final Path folder;

    public PrintFolder(Path folder) { this.folder = folder; }

    /** How pages come onto sheets. */
    public enum Sheets {
        ONE(1), TWO(2), FOUR(4),
        /** Two pages a side, ordered so that the folded pile reads from front to back. */
        BOOKLET(2);

        private final int pages;

        Sheets(int pages) { this.pages = pages; }
    }

    /** What is printed, how often, and how. */
    public record Job(PageRange pages, int copies, boolean collated, Sheets sheets) {
        public static final Job PLAIN = new Job(PageRange.ALL, 1, true, Sheets.ONE);
    }

    /**
     * Prints a PDF.
     *
     * @param password to open it, or null
     * @return the file of sheets
     * @throws DecantException where it can't be opened, or its owner forbids printing
     */
    public Path print(Path pdf, String password, Job job) {
        if (job.copies < 1 || job.copies > 999) throw new DecantException(Kind.WRONG_CALL, Message.of("outbox.copies-cannot-be-printed-choose-1", job.copies));
        String name = pdf.getFileName().toString();
        try (PDDocument source = PdfDoor.open(Files.readAllBytes(pdf), name, password); PDDocument sheets = new PDDocument()) {
            if (!source.getCurrentAccessPermission().canPrint())
                throw new DecantException(Kind.NOT_PERMITTED, Message.of("outbox.is-locked-by-its-owner-against-printing", name));
            List<Integer> pages = job.pages.of(source.getNumberOfPages());
            List<Integer> order = job.sheets == Sheets.BOOKLET ? booklet(pages) : pages;
            List<List<Integer>> sides = new ArrayList<>();
            for (int i = 0; i < order.size(); i += job.sheets.pages) sides.add(order.subList(i, Math.min(order.size(), i + job.sheets.pages)));
            LayerUtility layers = new LayerUtility(sheets);
            for (int copy = 0; copy < job.copies; copy++) {
                if (!job.collated && copy > 0) break;
                for (List<Integer> side : sides)
                    for (int again = 0; again < (job.collated ? 1 : job.copies); again++) side(source, sheets, layers, side, job.sheets);
            }
            sheets.setDocumentId(1L);
            return SafeFile.write(folder.resolve(name), Recipe.WhenPresent.KEEP_BOTH, Guard.OWN, sheets::save, SafeFile.UNSEEN);
        } catch (IOException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("outbox.cannot-be-printed-it-cannot-be-opened", name), e);
        }
    }

    /** The order of pages on the sides of folded sheets: last and first, second and last but one, and so on; -1 is an empty page (common practice). */
    static List<Integer> booklet(List<Integer> pages) {
        List<Integer> padded = new ArrayList<>(pages);
        while (padded.size() % 4 != 0) padded.add(-1);
        List<Integer> order = new ArrayList<>();
        int last = padded.size() - 1;
        for (int i = 0; i < padded.size() / 2; i++) {
            boolean front = i % 2 == 0;
            order.add(front ? padded.get(last - i) : padded.get(i));
            order.add(front ? padded.get(i) : padded.get(last - i));
        }
        return order;
    }

    private static void side(PDDocument source, PDDocument sheets, LayerUtility layers, List<Integer> pages, Sheets how) throws IOException {
        PDRectangle like = source.getPage(Math.max(0, pages.stream().filter(page -> page >= 0).findFirst().orElse(0))).getMediaBox();
        boolean turned = how == Sheets.TWO || how == Sheets.BOOKLET;
        PDRectangle paper = turned ? new PDRectangle(like.getHeight(), like.getWidth()) : like;
        PDPage sheet = new PDPage(new PDRectangle(paper.getWidth(), paper.getHeight()));
        sheets.addPage(sheet);
        int across = how == Sheets.ONE ? 1 : 2;
        int down = how == Sheets.FOUR ? 2 : 1;
        double width = paper.getWidth() / across;
        double height = paper.getHeight() / down;
        try (PDPageContentStream out = new PDPageContentStream(sheets, sheet)) {
            for (int i = 0; i < pages.size(); i++) {
                if (pages.get(i) < 0) continue;
                PDFormXObject form = layers.importPageAsForm(source, pages.get(i));
                double scale = Math.min(width / form.getBBox().getWidth(), height / form.getBBox().getHeight());
                double x = i % across * width + (width - form.getBBox().getWidth() * scale) / 2;
                double y = (down - 1 - i / across) * height + (height - form.getBBox().getHeight() * scale) / 2;
                out.saveGraphicsState();
                AffineTransform place = AffineTransform.getTranslateInstance(x, y);
                place.scale(scale, scale);
                out.transform(new Matrix(place));
                out.drawForm(form);
                out.restoreGraphicsState();
            }
        }
    }
}
