package app.decant.pdf.font;

import org.apache.pdfbox.cos.COSDictionary;

/** A font as pages name it: inside the file, or one that every reader has. */
public sealed interface PageFont permits EmbeddedFace, StandardFace {
    /** The font dictionary; filled once all pages are written. */
    COSDictionary dictionary();
}
