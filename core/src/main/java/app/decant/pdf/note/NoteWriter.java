package app.decant.pdf.note;

import app.decant.document.Comment;
import app.decant.document.DecantException;
import app.decant.page.Note;
import app.decant.page.Rewritten;
import app.decant.pdf.note.FileNotes.FileNote;
import app.decant.pdf.read.PageReader;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.GregorianCalendar;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;

/** Puts notes on the pages of an opened PDF: new ones as marked words (ISO 32000-2, 12.5.6.10), answers and what is settled beside the notes they are to. */
public final class NoteWriter {
    private static final float[] COLOUR = {0.92f, 0.80f, 0.88f};
    private static final int PRINTED = 4;
    /** A part of the page's height that a sign takes which nobody sees: answers have to stand somewhere. */
    private static final float SIGN = 18;

    private final PDDocument pdf;
    private final Instant now;
    private final Map<Integer, FileNote> there = new HashMap<>();
    private int added;
    private int removed;
    private int taken;

    /** @param now what is said to be the time of those that tell none */
    private NoteWriter(PDDocument pdf, Instant now) {
        this.pdf = pdf;
        this.now = now;
        for (FileNote note : FileNotes.of(pdf, page -> 0)) there.put(note.comment().number(), note);
    }

    /**
     * How many annotations came and went.
     *
     * @param taken how many notes went, whatever answers they had
     */
    public record Done(int added, int removed, int taken) { }

    /** Whether whoever opened the file may put notes on it (7.6.4.2, table 22). */
    public static boolean mayNote(PDDocument pdf) {
        AccessPermission permission = pdf.getCurrentAccessPermission();
        return permission.isOwnerPermission() || permission.canModifyAnnotations();
    }

    /**
     * Puts them in.
     *
     * @param pages the page of the file for one of the pages that are published; null where it is not among them
     * @throws DecantException where the file's owner lets nobody put notes on it
     */
    public static Done write(PDDocument pdf, List<Note> notes, IntFunction<PDPage> pages, Instant now) throws IOException {
        if (notes.isEmpty()) return new Done(0, 0, 0);
        if (!mayNote(pdf)) throw new DecantException(DecantException.Kind.NOT_PERMITTED, Message.of("note.not-permitted"));
        NoteWriter writer = new NoteWriter(pdf, now);
        for (Note note : notes) {
            if (note.before() != null) writer.changed(note);
            else if (pages.apply(note.page()) != null) writer.mark(note, pages.apply(note.page()));
        }
        return new Done(writer.added, writer.removed, writer.taken);
    }

    private void changed(Note note) {
        FileNote old = there.get(note.before().number());
        if (old == null) return;
        PDPage page = pdf.getPage(old.page());
        if (note.comment() == null) {
            take(page, old.annotation());
            taken++;
            return;
        }
        List<Comment.Remark> answers = note.comment().answers();
        for (Comment.Remark answer : answers.subList(Math.min(answers.size(), note.before().answers().size()), answers.size()))
            add(page, answer(old.annotation(), answer));
        if (note.comment().done() == note.before().done()) return;
        COSDictionary state = answer(old.annotation(), new Comment.Remark(note.comment().remark().author(), now, ""));
        state.setString(FileNotes.STATE, note.comment().done() ? FileNotes.COMPLETED : "None");
        state.setString(FileNotes.STATE_MODEL, "Review");
        add(page, state);
    }

    /** A note goes with its answers and the windows they open in. */
    private void take(PDPage page, COSDictionary note) {
        COSArray annotations = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        Set<COSBase> gone = Collections.newSetFromMap(new IdentityHashMap<>());
        gone.add(note);
        boolean more = true;
        while (more) {
            more = false;
            for (int i = 0; i < annotations.size(); i++) {
                if (!(annotations.getObject(i) instanceof COSDictionary one) || gone.contains(one)) continue;
                boolean hangs = gone.contains(one.getCOSDictionary(FileNotes.IN_REPLY_TO))
                        || "Popup".equals(one.getNameAsString(COSName.SUBTYPE)) && gone.contains(one.getCOSDictionary(COSName.PARENT));
                if (hangs) more |= gone.add(one);
            }
        }
        COSArray left = new COSArray();
        for (int i = 0; i < annotations.size(); i++) if (!gone.contains(annotations.getObject(i))) left.add(annotations.get(i));
        removed += annotations.size() - left.size();
        page.getCOSObject().setItem(COSName.ANNOTS, left);
    }

    private COSDictionary answer(COSDictionary to, Comment.Remark answer) {
        COSDictionary made = annotation("Text", answer);
        COSArray place = to.getCOSArray(COSName.RECT);
        made.setItem(COSName.RECT, place == null ? floats(0, 0, SIGN, SIGN) : floats(place.toFloatArray()));
        made.setItem(FileNotes.IN_REPLY_TO, to);
        // Shown where the note is opened, not on the page.
        made.setInt(COSName.F, PRINTED | 2);
        return made;
    }

    private COSDictionary annotation(String kind, Comment.Remark said) {
        COSDictionary made = new COSDictionary();
        made.setItem(COSName.TYPE, COSName.ANNOT);
        made.setName(COSName.SUBTYPE, kind);
        if (!said.author().isEmpty()) made.setString(COSName.T, said.author());
        made.setItem(COSName.CONTENTS, new COSString(said.text()));
        GregorianCalendar when = GregorianCalendar.from((said.when() == null ? now : said.when()).atZone(ZoneOffset.UTC));
        made.setDate(COSName.M, when);
        made.setDate(FileNotes.CREATION_DATE, when);
        made.setInt(COSName.F, PRINTED);
        return made;
    }

    private void add(PDPage page, COSDictionary annotation) {
        COSArray before = page.getCOSObject().getCOSArray(COSName.ANNOTS);
        COSArray annotations = new COSArray();
        if (before != null) for (int i = 0; i < before.size(); i++) annotations.add(before.get(i));
        annotation.setItem(COSName.P, page.getCOSObject());
        annotations.add(annotation);
        page.getCOSObject().setItem(COSName.ANNOTS, annotations);
        added++;
    }

    private void mark(Note note, PDPage page) throws IOException {
        AffineTransform toPaper = toPaper(page, note.turn());
        List<Rectangle2D> boxes = new ArrayList<>();
        Rectangle2D whole = null;
        for (Rewritten.Area area : note.areas()) {
            Rectangle2D box = toPaper.createTransformedShape(new Rectangle2D.Double(area.left(), area.top(), area.right() - area.left(),
                    area.bottom() - area.top())).getBounds2D();
            boxes.add(box);
            whole = whole == null ? box : whole.createUnion(box);
        }
        COSDictionary made = annotation("Highlight", note.comment().remark());
        made.setItem(COSName.RECT, floats((float) whole.getMinX(), (float) whole.getMinY(), (float) whole.getMaxX(), (float) whole.getMaxY()));
        COSArray quads = new COSArray();
        // Left and right of the upper edge, then of the lower, as readers expect it (12.5.6.10 says otherwise, and no reader follows it; common practice).
        for (Rectangle2D box : boxes) for (double value : new double[] {box.getMinX(), box.getMaxY(), box.getMaxX(), box.getMaxY(), box.getMinX(),
                box.getMinY(), box.getMaxX(), box.getMinY()}) quads.add(new COSFloat((float) value));
        made.setItem(COSName.QUADPOINTS, quads);
        made.setItem(COSName.C, floats(COLOUR));
        COSDictionary appearance = new COSDictionary();
        appearance.setItem(COSName.N, drawn(boxes, whole));
        made.setItem(COSName.AP, appearance);
        add(page, made);
        for (Comment.Remark answer : note.comment().answers()) add(page, answer(made, answer));
        if (!note.comment().done()) return;
        COSDictionary state = answer(made, new Comment.Remark(note.comment().remark().author(), now, ""));
        state.setString(FileNotes.STATE, FileNotes.COMPLETED);
        state.setString(FileNotes.STATE_MODEL, "Review");
        add(page, state);
    }

    private static AffineTransform toPaper(PDPage page, int turn) throws IOException {
        try {
            return PageReader.toPage(page, turn).createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new IOException("A page without extent", e);
        }
    }

    /** Darkens what is under it, so that its letters stay what they are (11.3.5.2, Multiply). */
    private COSStream drawn(List<Rectangle2D> boxes, Rectangle2D whole) throws IOException {
        COSStream stream = pdf.getDocument().createCOSStream();
        stream.setItem(COSName.TYPE, COSName.XOBJECT);
        stream.setItem(COSName.SUBTYPE, COSName.FORM);
        stream.setItem(COSName.BBOX, floats((float) whole.getMinX(), (float) whole.getMinY(), (float) whole.getMaxX(), (float) whole.getMaxY()));
        COSDictionary multiply = new COSDictionary();
        multiply.setItem(COSName.BM, COSName.MULTIPLY);
        COSDictionary states = new COSDictionary();
        states.setItem(COSName.getPDFName("Marked"), multiply);
        COSDictionary resources = new COSDictionary();
        resources.setItem(COSName.EXT_G_STATE, states);
        stream.setItem(COSName.RESOURCES, resources);
        COSDictionary group = new COSDictionary();
        group.setItem(COSName.S, COSName.TRANSPARENCY);
        stream.setItem(COSName.GROUP, group);
        StringBuilder content = new StringBuilder(String.format(Locale.ROOT, "/Marked gs %.2f %.2f %.2f rg ", COLOUR[0], COLOUR[1], COLOUR[2]));
        for (Rectangle2D box : boxes)
            content.append(String.format(Locale.ROOT, "%.2f %.2f %.2f %.2f re ", box.getX(), box.getY(), box.getWidth(), box.getHeight()));
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(content.append('f').toString().getBytes(StandardCharsets.US_ASCII));
        }
        return stream;
    }

    private static COSArray floats(float... values) {
        COSArray array = new COSArray();
        for (float value : values) array.add(new COSFloat(value));
        return array;
    }
}
