package app.decant;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.font.FontCatalogue;
import app.decant.page.Pages;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import app.decant.recover.ScanWords;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/**
 * Scanned pages with words under them, for formats that have no place under a picture: where a document is nothing but such pages, its words are written as
 * text; among other pages they go as pictures, which is told.
 */
final class ScannedText {
    private final List<ScanWords.Sheet> sheets = new ArrayList<>();
    private boolean others;

    private ScannedText() { }

    static Pages of(Pages pages, Recipe recipe, Progress progress, Consumer<Finding> told) {
        // A workbook holds cells, and no scans; its tables would be made in vain.
        if (recipe.target() == Target.PDF || recipe.target() == Target.TXT || pages.origin(Workbook.class).isPresent()) return pages;
        Optional<Document> origin = pages.original().isEmpty() ? pages.origin(Document.class) : Optional.empty();
        if (origin.isEmpty()) return pages;
        ScannedText scans = in(origin.get());
        if (scans.sheets.isEmpty()) return pages;
        int count = scans.sheets.size();
        if (scans.others) {
            told.accept(Finding.lost(Message.of("open.scans-go-as-pictures", count)));
            return pages;
        }
        told.accept(Finding.changed(Message.of("open.scans-go-as-words", count)));
        ScanWords.Text words = ScanWords.text(scans.sheets, FontCatalogue.ofThisMachine(), progress);
        if (words.inPictures() > 0) told.accept(Finding.changed(Message.of("open.words-stay-in-pictures", words.inPictures())));
        return Decant.layOut(words.document().withFacts(origin.get().facts()), progress);
    }

    private static ScannedText in(Document document) {
        ScannedText scans = new ScannedText();
        for (Section section : document.sections()) for (Block block : section.blocks()) scans.take(block, section.page());
        return scans;
    }

    /** Whether a document is nothing but scanned pages with words under them. */
    static boolean isAll(Document document) {
        ScannedText scans = in(document);
        return !scans.others && !scans.sheets.isEmpty();
    }

    private void take(Block block, Section.PageGeometry page) {
        if (!(block instanceof Paragraph paragraph)) {
            others = true;
            return;
        }
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture && !picture.words().isEmpty())
                take(picture, floating.anchor().horizontal().offset(), floating.anchor().vertical().offset(), page);
            else if (inline instanceof Inline.InlinePicture shown && !shown.picture().words().isEmpty()) take(shown.picture(), page.left(), page.top(), page);
            else others |= !(inline instanceof Inline.Text text && text.text().isBlank());
        }
    }

    private void take(Picture scan, double x, double y, Section.PageGeometry page) { sheets.add(new ScanWords.Sheet(page.width(), page.height(), scan, x, y)); }
}
