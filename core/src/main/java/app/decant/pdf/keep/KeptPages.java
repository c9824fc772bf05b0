package app.decant.pdf.keep;

import app.decant.page.Mending;
import app.decant.page.Pages;
import app.decant.pdf.Standard;

/** Pages of a PDF, all of which or most of which are its own, that may be repaired to keep a standard. */
public interface KeptPages extends Pages {
    /** The same repaired so that they keep a standard. */
    KeptPages mended(Mending wished);

    /** Whether their file, as it is, says that it keeps a standard of the kind; whether that is so is another matter. */
    boolean claims(Standard standard);

    /** Whether all of them have a structure told. */
    boolean isTagged();
}
