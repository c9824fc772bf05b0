package app.decant.publish;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FontFile;
import app.decant.document.Link;
import app.decant.document.Picture;
import app.decant.font.BroughtFonts;
import app.decant.font.EmbeddingRight;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.page.Canvas;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Piece;
import app.decant.words.Message;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.slf4j.LoggerFactory;

/** Which fonts travel in an office file, as its recipe says and the fonts' licences permit. */
final class TravellingFonts {
    private TravellingFonts() { }

    /**
     * The document with the fonts that are to go along.
     *
     * @param document what is written, laid out as {@code pages}
     * @param findings told what does not go along, and why
     */
    static Document of(Document document, Pages pages, Recipe recipe, List<Finding> findings) {
        if (recipe.officeFonts() == Recipe.OfficeFonts.NONE) return document.withFonts(List.of());
        if (!recipe.target().takesFonts()) {
            boolean asked = recipe.officeFonts() != Recipe.OfficeFonts.AS_THEY_CAME || !document.fonts().isEmpty();
            if (asked) findings.add(Finding.lost(Message.of("publish.a-holds-no-fonts-they-stay-behind", recipe.target().ending())));
            return document.withFonts(List.of());
        }
        if (recipe.officeFonts() == Recipe.OfficeFonts.AS_THEY_CAME)
            return document.withFonts(document.fonts().stream().filter(font -> mayGo(font, findings)).toList());
        Map<Face, Set<Integer>> used = used(pages);
        Set<String> here = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
        for (FontCatalogue.Match match : pages.fonts()) {
            if (match.here()) here.add(match.family());
            else findings.add(Finding.lost(Message.of("publish.is-not-on-this-machine", match.family())));
        }
        List<FontFile> fonts = new ArrayList<>();
        used.forEach((face, characters) -> {
            if (!here.contains(face.family())) return;
            if (EmbeddingRight.forbidsOutlines(face.fsType())) {
                if (recipe.restricted() == Recipe.Restricted.STOP)
                    throw new DecantException(DecantException.Kind.NOT_PERMITTED, Message.of("publish.the-licence-of-forbids-putting-it-into", face));
                findings.add(Finding.lost(Message.of("publish.the-licence-of-forbids-putting-it-into-2", face)));
                return;
            }
            if (face.embeddingRight() == EmbeddingRight.PREVIEW_AND_PRINT)
                findings.add(Finding.note(Message.of("write.the-licence-of-allows-it-in-files", face)));
            fonts.add(file(face, characters, recipe.officeFonts() == Recipe.OfficeFonts.USED_CHARACTERS));
        });
        return document.withFonts(fonts);
    }

    /** Whether the licence of a font that is with the document lets it go into a file. */
    private static boolean mayGo(FontFile font, List<Finding> findings) {
        Face face;
        try {
            face = BroughtFonts.face(font);
        } catch (DecantException e) {
            LoggerFactory.getLogger(TravellingFonts.class).debug("Given back as it came", e);
            return true;
        }
        boolean forbidden = EmbeddingRight.forbidsOutlines(face.fsType());
        if (forbidden) findings.add(Finding.lost(Message.of("publish.the-licence-of-forbids-putting-it-into-2", face)));
        return !forbidden;
    }

    private static FontFile file(Face face, Set<Integer> characters, boolean some) {
        try {
            // Scripts whose letters join need the font's tables for that, which only the whole font has.
            boolean joins = characters.stream().anyMatch(one -> one >= 0x0590 && one < 0x1E00 || one >= 0xA800 && one < 0xAC00 || one >= 0xFB1D
                    && one < 0xFF00);
            byte[] bytes = some && !joins ? face.only(characters) : face.file();
            return new FontFile(face.family(), face.bold(), face.italic(), bytes != face.file(), bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Map<Face, Set<Integer>> used(Pages pages) {
        Map<Face, Set<Integer>> used = new LinkedHashMap<>();
        for (Page page : pages.pages()) {
            page.show(new Canvas() {
                @Override public void glyphs(Piece.Glyphs piece, double x, double baseline, Colour colour) {
                    Set<Integer> characters = used.computeIfAbsent(piece.style().face(), face -> new TreeSet<>());
                    piece.text().codePoints().forEach(characters::add);
                }

                @Override public void picture(Picture picture, double x, double y) { }
                @Override public void fill(double x, double y, double width, double height, Colour colour) { }
                @Override public void rule(double x1, double y1, double x2, double y2, Border border) { }
                @Override public void link(double x, double y, double width, double height, Link target) { }
            });
        }
        return used;
    }
}
