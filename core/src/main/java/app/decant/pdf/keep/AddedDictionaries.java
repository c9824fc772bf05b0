package app.decant.pdf.keep;

import app.decant.page.Pages;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/** The dictionaries of pages that are put in (ISO 32000-2, table 31): boxes, turn and resources as on the page that each is like, nothing that links to it. */
final class AddedDictionaries {
    private static final List<COSName> SHARED = List.of(COSName.GROUP, COSName.getPDFName("UserUnit"), COSName.BLEED_BOX, COSName.TRIM_BOX, COSName.ART_BOX);

    private final PDDocument pdf;
    private final List<PDPage> likes = new ArrayList<>();

    /** @param chosen of the pages, those that are to be in the file; told before any is taken out of that */
    AddedDictionaries(PDDocument pdf, Pages pages, List<Integer> chosen) {
        this.pdf = pdf;
        for (int page : chosen) likes.add(pages.isAdded(page) ? pdf.getPage(pages.ground(page)) : null);
    }

    /** Fills those of the file, which stand there and are empty yet. */
    void fill() {
        for (int i = 0; i < likes.size(); i++) if (likes.get(i) != null) fill(pdf.getPage(i).getCOSObject(), likes.get(i));
    }

    /** A page of its own that looks like another, and says nothing yet. */
    static PDPage behind(PDPage like) {
        PDPage page = new PDPage();
        fill(page.getCOSObject(), like);
        return page;
    }

    private static void fill(COSDictionary page, PDPage like) {
        page.setItem(COSName.MEDIA_BOX, like.getMediaBox().getCOSArray());
        page.setItem(COSName.CROP_BOX, like.getCropBox().getCOSArray());
        page.setInt(COSName.ROTATE, like.getRotation());
        if (like.getResources() != null) page.setItem(COSName.RESOURCES, like.getResources().getCOSObject());
        for (COSName name : SHARED) {
            COSBase value = like.getCOSObject().getItem(name);
            if (value != null) page.setItem(name, value);
        }
    }
}
