package app.decant.pdf;

import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/** The pages of a file by their indexes: asked one by one, its tree (ISO 32000-2, 7.7.3) is gone through from its beginning for each. */
public final class PageList {
    private PageList() { }

    /** All pages, as the tree has them now. */
    public static List<PDPage> of(PDDocument pdf) {
        List<PDPage> pages = new ArrayList<>(pdf.getNumberOfPages());
        for (PDPage page : pdf.getPages()) pages.add(page);
        return pages;
    }
}
