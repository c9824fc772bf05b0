package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.font.EmbeddedFace;
import java.io.IOException;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;

/** Puts what pages say otherwise into a file: streams and resources of their own (ISO 32000-2, 7.8), so that nothing shared is touched. */
final class PageStreams {
    private PageStreams() { }

    /**
     * Puts a page's new streams in place of its own: streams and resources of its own, so that nothing shared is touched.
     *
     * @param create makes a stream of the file
     */
    static void put(Rewritten rewritten, COSDictionary page, COSDictionary shared, Streams create) throws IOException {
        page.setItem(COSName.CONTENTS, create.stream(rewritten.content(), null));
        if (rewritten.parts().any()) page.setItem(COSName.RESOURCES, with(rewritten.parts(), shared, create));
    }

    /** Makes streams in the file that is written. */
    interface Streams {
        /** A stream with these bytes, and all else that another says of itself, or null for none. */
        COSStream stream(byte[] content, COSStream like) throws IOException;

        /** An object that the file has. */
        COSBase object(COSObjectKey key) throws IOException;
    }

    private static COSDictionary with(Rewritten.Parts parts, COSDictionary shared, Streams create) throws IOException {
        COSDictionary resources = new COSDictionary(shared);
        COSDictionary objects = copied(shared.getCOSDictionary(COSName.XOBJECT));
        boolean pictures = parts.loans().stream().anyMatch(loan -> loan.kind() == Rewritten.Loan.Kind.PICTURE);
        if (!parts.forms().isEmpty() || pictures) resources.setItem(COSName.XOBJECT, objects);
        for (Rewritten.Form form : parts.forms()) {
            COSBase original = objects.getDictionaryObject(COSName.getPDFName(form.original()));
            if (!(original instanceof COSStream like)) throw new IOException("The form " + form.original() + " is not there");
            COSStream copy = create.stream(form.content(), like);
            COSDictionary own = copy.getCOSDictionary(COSName.RESOURCES);
            if (form.parts().any()) copy.setItem(COSName.RESOURCES, with(form.parts(), own == null ? shared : own, create));
            objects.setItem(COSName.getPDFName(form.name()), copy);
        }
        COSDictionary fonts = copied(shared.getCOSDictionary(COSName.FONT));
        boolean lent = parts.loans().stream().anyMatch(loan -> loan.kind() == Rewritten.Loan.Kind.FONT);
        if (!parts.fonts().isEmpty() || lent) resources.setItem(COSName.FONT, fonts);
        for (Rewritten.Loan loan : parts.loans()) (loan.kind() == Rewritten.Loan.Kind.FONT ? fonts : objects).setItem(COSName.getPDFName(loan.name()),
                create.object(new COSObjectKey(loan.number(), loan.generation())));
        for (Rewritten.Font font : parts.fonts()) {
            EmbeddedFace face = new EmbeddedFace(font.face());
            for (Rewritten.Letter letter : font.letters()) face.code(letter.glyph(), letter.text());
            face.finish(PdfStyle.PLAIN);
            fonts.setItem(COSName.getPDFName(font.name()), face.dictionary());
        }
        return resources;
    }

    private static COSDictionary copied(COSDictionary shared) { return shared == null ? new COSDictionary() : new COSDictionary(shared); }
}
