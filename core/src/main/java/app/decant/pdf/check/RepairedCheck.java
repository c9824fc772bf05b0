package app.decant.pdf.check;

import app.decant.page.Pages;
import app.decant.pdf.check.PdfCheck.Proof;
import app.decant.pdf.keep.PaintedPage;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.slf4j.LoggerFactory;

/**
 * Looks whether pages that were repaired for a standard still say and show what they did. All are read; those are painted on which every font was there
 * before, spread over the whole, since letters from a face that was put in may look a little otherwise.
 */
final class RepairedCheck {
    /** So many pages are painted at most; painting takes a hundred times as long as reading. */
    private static final int PAINTED = 12;

    private final PDDocument before;
    private final PDDocument after;
    private final Pages pages;

    /** @param pages as they were published */
    RepairedCheck(PDDocument before, PDDocument after, Pages pages) {
        this.before = before;
        this.after = after;
        this.pages = pages;
    }

    /** @param chosen the pages of the first that those of the second are */
    List<Proof> of(List<Integer> chosen) throws IOException {
        List<Proof> proofs = new ArrayList<>();
        int wrong = 0;
        List<Integer> alike = new ArrayList<>();
        StreamText reading = new StreamText();
        for (int i = 0; i < chosen.size(); i++) {
            if (!pages.isOwn(chosen.get(i)) || pages.rewritten(chosen.get(i)) != null) continue;
            PDPage source = before.getPage(pages.ground(chosen.get(i)));
            String said = text(reading, source);
            if (said != null && !said.equals(text(reading, after.getPage(i)))) wrong++;
            if (hasAllFonts(source)) alike.add(i);
        }
        proofs.add(new Proof(wrong == 0 ? Message.of("check.repaired-pages-say-what-they-did") : Message.of("check.repaired-pages-say-something-else", wrong),
                wrong == 0));
        int step = Math.max(1, (alike.size() + PAINTED - 1) / PAINTED);
        int painted = 0;
        int otherwise = 0;
        for (int i = 0; i < alike.size(); i += step) {
            painted++;
            PaintedPage was = PaintedPage.of(before, pages.ground(chosen.get(alike.get(i))));
            if (was.differing(PaintedPage.of(after, alike.get(i)), List.of()) > 0) otherwise++;
        }
        if (painted > 0) proofs.add(new Proof(otherwise == 0 ? Message.of("check.repaired-pages-look-as-they-did", painted, alike.size())
                : Message.of("check.repaired-pages-look-otherwise", otherwise, painted), otherwise == 0));
        return proofs;
    }

    /** Null for what can't be read: there is nothing to compare with, and once it is written anew it may be readable. */
    private static String text(StreamText reading, PDPage page) {
        try {
            // Codes that showed nothing are told as spaces.
            return reading.of(page).replaceAll("[\\s\uFFFD]+", "");
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(RepairedCheck.class).info("A page can't be read", e);
            return null;
        }
    }

    private static boolean hasAllFonts(PDPage page) {
        // Notes and fields may have been given a look.
        if (page.getCOSObject().containsKey(COSName.ANNOTS)) return false;
        return page.getResources() == null || hasAllFonts(page.getResources().getCOSObject(), 0);
    }

    private static boolean hasAllFonts(COSDictionary resources, int depth) {
        COSDictionary fonts = resources.getCOSDictionary(COSName.FONT);
        if (fonts != null) for (COSName name : fonts.keySet()) if (!SameObjects.hasProgram(fonts.getCOSDictionary(name))) return false;
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        if (objects == null) return true;
        if (depth > 24) return false;
        for (COSName name : objects.keySet()) {
            COSDictionary own = objects.getDictionaryObject(name) instanceof COSStream form ? form.getCOSDictionary(COSName.RESOURCES) : null;
            if (own != null && own != resources && !hasAllFonts(own, depth + 1)) return false;
        }
        return true;
    }
}
