package app.decant.pdf.note;

import app.decant.document.Comment;
import app.decant.pdf.read.PageReader;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Calendar;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntUnaryOperator;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/** The notes on the pages of a PDF that say something, with what was answered; numbered as they stand in the file. */
public final class FileNotes {
    static final COSName IN_REPLY_TO = COSName.getPDFName("IRT");
    static final COSName STATE = COSName.getPDFName("State");
    static final COSName STATE_MODEL = COSName.getPDFName("StateModel");
    static final String COMPLETED = "Completed";
    static final COSName CREATION_DATE = COSName.CREATION_DATE;
    private static final int MOST = 10_000;
    private static final int MOST_LINES = 500;
    /** What is written on the page by a note is among its words already, and what is drawn says nothing. */
    private static final Set<String> SAYING = Set.of("Text", "Highlight", "Underline", "Squiggly", "StrikeOut", "Caret", "Square", "Circle", "Line", "Polygon",
            "PolyLine", "Ink");

    private FileNotes() { }

    /**
     * A note.
     *
     * @param page  the index of its page
     * @param areas what it marks, in points from the top left of the page as it is read; the place of its sign where it marks nothing
     * @param marks whether it marks words
     */
    public record FileNote(int page, Comment comment, List<Rectangle2D> areas, boolean marks, COSDictionary annotation) {
        public FileNote { areas = List.copyOf(areas); }
    }

    /** @param turns how far each page is turned clockwise to be read, beyond what it says itself */
    public static List<FileNote> of(PDDocument pdf, IntUnaryOperator turns) {
        Map<COSDictionary, COSDictionary> replies = new IdentityHashMap<>();
        Map<COSDictionary, Integer> notes = new LinkedHashMap<>();
        int index = 0;
        for (PDPage page : pdf.getPages()) {
            COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
            for (int i = 0; annotations != null && i < annotations.size() && notes.size() + replies.size() < MOST; i++) {
                if (!(annotations.getObject(i) instanceof COSDictionary one)) continue;
                COSDictionary to = one.getCOSDictionary(IN_REPLY_TO);
                if (to != null && isAnswer(one)) replies.put(one, to);
                else if (says(one)) notes.putIfAbsent(one, index);
            }
            index++;
        }
        List<FileNote> found = new ArrayList<>();
        for (Map.Entry<COSDictionary, Integer> note : notes.entrySet()) {
            COSDictionary one = note.getKey();
            PDPage page = pdf.getPage(note.getValue());
            List<Rectangle2D> areas = areas(one, PageReader.toPage(page, turns.applyAsInt(note.getValue())));
            if (areas.isEmpty()) continue;
            List<Comment.Remark> answers = new ArrayList<>();
            boolean done = false;
            for (COSDictionary reply : inOrder(one, replies)) {
                String state = reply.getString(STATE);
                if (state != null) done = state.equals(COMPLETED) || done && !state.equals("None");
                else if (!text(reply).isBlank()) answers.add(remark(reply));
            }
            Comment comment = new Comment(found.size() + 1, remark(one), answers, done);
            found.add(new FileNote(note.getValue(), comment, areas, one.getCOSArray(COSName.QUADPOINTS) != null, one));
        }
        return found;
    }

    /** Answers to a note and to its answers, as they stand in the file. */
    static List<COSDictionary> inOrder(COSDictionary note, Map<COSDictionary, COSDictionary> replies) {
        List<COSDictionary> answers = new ArrayList<>();
        for (COSDictionary reply : replies.keySet()) {
            COSDictionary to = reply;
            for (int depth = 0; depth < 100 && to != null && to != note; depth++) to = replies.get(to);
            if (to == note && reply != note) answers.add(reply);
        }
        answers.sort((one, other) -> date(one).compareTo(date(other)));
        return answers;
    }

    private static Instant date(COSDictionary annotation) {
        Instant when = when(annotation);
        return when == null ? Instant.EPOCH : when;
    }

    /** A group of notes is no answer (12.5.6.2, table 172). */
    private static boolean isAnswer(COSDictionary annotation) { return !"Group".equals(annotation.getNameAsString(COSName.getPDFName("RT"))); }

    private static boolean says(COSDictionary annotation) {
        return SAYING.contains(String.valueOf(annotation.getNameAsString(COSName.SUBTYPE))) && !text(annotation).isBlank();
    }

    static String text(COSDictionary annotation) {
        String text = annotation.getString(COSName.CONTENTS);
        return text == null ? "" : text.replace("\r\n", "\n").replace('\r', '\n').strip();
    }

    private static Comment.Remark remark(COSDictionary annotation) {
        return new Comment.Remark(annotation.getString(COSName.T), when(annotation), text(annotation));
    }

    private static Instant when(COSDictionary annotation) {
        Calendar when = annotation.getDate(CREATION_DATE) == null ? annotation.getDate(COSName.M) : annotation.getDate(CREATION_DATE);
        return when == null ? null : when.toInstant();
    }

    private static List<Rectangle2D> areas(COSDictionary annotation, AffineTransform toPage) {
        List<Rectangle2D> areas = new ArrayList<>();
        COSArray quads = annotation.getCOSArray(COSName.QUADPOINTS);
        float[] points = quads == null ? new float[0] : quads.toFloatArray();
        for (int i = 0; i + 8 <= points.length && areas.size() < MOST_LINES; i += 8) {
            Rectangle2D box = new Rectangle2D.Double(points[i], points[i + 1], 0, 0);
            for (int k = 2; k < 8; k += 2) box.add(points[i + k], points[i + k + 1]);
            areas.add(toPage.createTransformedShape(box).getBounds2D());
        }
        COSArray rectangle = annotation.getCOSArray(COSName.RECT);
        float[] corners = rectangle == null ? new float[0] : rectangle.toFloatArray();
        if (areas.isEmpty() && corners.length == 4) {
            Rectangle2D box = new Rectangle2D.Double(corners[0], corners[1], 0, 0);
            box.add(corners[2], corners[3]);
            areas.add(toPage.createTransformedShape(box).getBounds2D());
        }
        areas.removeIf(area -> !Double.isFinite(area.getX() + area.getY() + area.getWidth() + area.getHeight()));
        return areas;
    }
}
