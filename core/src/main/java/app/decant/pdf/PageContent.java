package app.decant.pdf;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Link;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.layout.Canvas;
import app.decant.layout.Piece;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** Takes one page and writes it as a content stream (ISO 32000-1, 7.8.2). */
final class PageContent implements Canvas {
    private static final Function<String, String> HEX = text -> {
        StringBuilder hex = new StringBuilder("FEFF");
        for (char c : text.toCharArray()) hex.append(String.format("%04X", (int) c));
        return hex.toString();
    };
    private final double height;
    private final Function<app.decant.font.Face, EmbeddedFace> faces;
    private final Function<Picture, PDImageXObject> pictures;
    private final StringBuilder out = new StringBuilder(4096);
    private final Map<EmbeddedFace, String> fontNames = new LinkedHashMap<>();
    private final Map<PDImageXObject, String> pictureNames = new LinkedHashMap<>();
    private final List<LinkArea> links = new ArrayList<>();
    private boolean inText;
    private EmbeddedFace font;
    private double size;
    private double scale = 100;
    private Colour ink;
    private double penX;
    private double penY;

    /** An area that leads somewhere, from the page's top left corner. */
    record LinkArea(double x, double y, double width, double height, Link target) { }

    PageContent(double height, Function<app.decant.font.Face, EmbeddedFace> faces, Function<Picture, PDImageXObject> pictures) {
        this.height = height;
        this.faces = faces;
        this.pictures = pictures;
    }

    byte[] bytes() {
        endText();
        return out.toString().getBytes(StandardCharsets.ISO_8859_1);
    }

    Map<EmbeddedFace, String> fonts() { return fontNames; }
    Map<PDImageXObject, String> pictures() { return pictureNames; }
    List<LinkArea> links() { return links; }

    COSDictionary fontResources() {
        COSDictionary resources = new COSDictionary();
        fontNames.forEach((face, name) -> resources.setItem(name, face.dictionary()));
        return resources;
    }

    @Override public void glyphs(Piece.Glyphs piece, double x, double baseline, Colour colour) {
        if (piece.glyphs().length == 0) return;
        EmbeddedFace face = faces.apply(piece.style().face());
        beginText(face, piece.style().size(), piece.style().widthScale() * 100, colour);
        double unit = size * scale / 100 / 1000;
        moveTo(x + piece.glyphX()[0], height - baseline);
        int count = piece.glyphs().length;
        StringBuilder run = new StringBuilder();
        boolean open = false;
        double pen = x + piece.glyphX()[0];
        int[] ends = clusterEnds(piece);
        for (int g = 0; g < count; g++) {
            boolean firstOfCluster = g == 0 || piece.clusters()[g] != piece.clusters()[g - 1];
            boolean lastOfCluster = g == count - 1 || piece.clusters()[g] != piece.clusters()[g + 1];
            double wanted = x + piece.glyphX()[g];
            double raise = piece.glyphY() == null ? 0 : piece.glyphY()[g];
            boolean single = firstOfCluster && lastOfCluster;
            int length = ends[g] - piece.clusters()[g];
            int code = !single ? -1 : length == 1 ? face.code(piece.glyphs()[g], piece.text().charAt(piece.clusters()[g])) : face.code(piece.glyphs()[g], piece.text().substring(piece.clusters()[g], ends[g]));
            boolean told = !single && firstOfCluster || single && code < 0;
            double adjust = (pen - wanted) / unit;
            if (told || raise != 0) {
                open = flush(run, open);
                if (told) out.append("/Span <</ActualText <").append(HEX.apply(piece.text().substring(piece.clusters()[g], ends[g]))).append(">>> BDC\n");
                if (raise != 0) out.append(number(raise)).append(" Ts ");
            }
            if (Math.abs(adjust) >= 0.5) {
                if (open) run.append('>');
                run.append(Math.round(adjust));
                pen -= Math.round(adjust) * unit;
                open = false;
            }
            if (!open) run.append('<');
            open = true;
            hex(run, code >= 0 ? code : face.anyCode(piece.glyphs()[g]));
            pen += face.width(piece.glyphs()[g]) * unit;
            if (raise != 0) {
                open = flush(run, open);
                out.append("0 Ts ");
            }
            if (!single && lastOfCluster || single && code < 0) {
                open = flush(run, open);
                out.append("EMC\n");
            }
        }
        flush(run, open);
        penX = x + piece.glyphX()[0];
        penY = height - baseline;
    }

    private boolean flush(StringBuilder run, boolean open) {
        if (run.length() == 0) return false;
        if (open) run.append('>');
        boolean plain = run.charAt(0) == '<' && run.indexOf(">") == run.length() - 1;
        if (plain) out.append(run).append(" Tj\n");
        else out.append('[').append(run).append("] TJ\n");
        run.setLength(0);
        return false;
    }

    private static void hex(StringBuilder run, int code) {
        for (int shift = 12; shift >= 0; shift -= 4) run.append("0123456789ABCDEF".charAt(code >> shift & 15));
    }

    /** For each glyph the end of the characters its cluster stands for. */
    private static int[] clusterEnds(Piece.Glyphs piece) {
        int[] clusters = piece.clusters();
        int[] ends = new int[clusters.length];
        if (!piece.rightToLeft()) {
            int end = piece.text().length();
            for (int g = clusters.length - 1; g >= 0; g--) {
                if (g < clusters.length - 1 && clusters[g + 1] > clusters[g]) end = clusters[g + 1];
                ends[g] = end;
            }
        } else {
            int end = piece.text().length();
            for (int g = 0; g < clusters.length; g++) {
                if (g > 0 && clusters[g - 1] > clusters[g]) end = clusters[g - 1];
                ends[g] = end;
            }
        }
        return ends;
    }

    private void beginText(EmbeddedFace face, double newSize, double newScale, Colour colour) {
        if (!inText) {
            out.append("BT\n");
            inText = true;
            penX = 0;
            penY = 0;
        }
        if (font != face || size != newSize) {
            String name = fontNames.computeIfAbsent(face, key -> "F" + fontNames.size());
            out.append('/').append(name).append(' ').append(number(newSize)).append(" Tf\n");
            font = face;
            size = newSize;
        }
        if (scale != newScale) {
            out.append(number(newScale)).append(" Tz\n");
            scale = newScale;
        }
        ink(colour);
    }

    private void moveTo(double x, double y) {
        // Rounded the way it is written, so that errors do not add up over a page.
        double dx = Math.round((x - penX) * 1000) / 1000.0;
        double dy = Math.round((y - penY) * 1000) / 1000.0;
        out.append(number(dx)).append(' ').append(number(dy)).append(" Td\n");
    }

    private void ink(Colour colour) {
        if (colour.equals(ink)) return;
        out.append(colour(colour)).append(" rg\n");
        ink = colour;
    }

    private void endText() {
        if (inText) out.append("ET\n");
        inText = false;
    }

    @Override public void fill(double x, double y, double width, double fillHeight, Colour colour) {
        endText();
        ink(colour);
        out.append(number(x)).append(' ').append(number(height - y - fillHeight)).append(' ').append(number(width)).append(' ').append(number(fillHeight)).append(" re f\n");
    }

    @Override public void rule(double x1, double y1, double x2, double y2, Border border) {
        endText();
        Colour colour = border.colour().isAutomatic() ? Colour.BLACK : border.colour();
        double width = border.width();
        out.append("q ").append(colour(colour)).append(" RG ");
        switch (border.line()) {
            case DOTTED -> out.append("1 J [0 ").append(number(width * 2)).append("] 0 d ");
            case DASHED -> out.append('[').append(number(width * 3)).append("] 0 d ");
            default -> { }
        }
        if (border.line() == Border.Line.DOUBLE) {
            double apart = width;
            boolean across = y1 == y2;
            line(x1 - (across ? 0 : apart), y1 - (across ? apart : 0), x2 - (across ? 0 : apart), y2 - (across ? apart : 0), width);
            line(x1 + (across ? 0 : apart), y1 + (across ? apart : 0), x2 + (across ? 0 : apart), y2 + (across ? apart : 0), width);
        } else {
            line(x1, y1, x2, y2, border.line() == Border.Line.THICK ? width * 2 : width);
        }
        out.append("Q\n");
    }

    private void line(double x1, double y1, double x2, double y2, double width) {
        out.append(number(width)).append(" w ").append(number(x1)).append(' ').append(number(height - y1)).append(" m ").append(number(x2)).append(' ').append(number(height - y2)).append(" l S ");
    }

    @Override public void picture(Picture picture, double x, double y) {
        endText();
        PDImageXObject image = pictures.apply(picture);
        if (image == null) {
            rule(x, y, x + picture.width(), y, Border.single(0.5, new Colour(0xB0B0B0)));
            rule(x, y + picture.height(), x + picture.width(), y + picture.height(), Border.single(0.5, new Colour(0xB0B0B0)));
            return;
        }
        String name = pictureNames.computeIfAbsent(image, key -> "P" + pictureNames.size());
        Insets crop = picture.crop();
        double fullWidth = picture.width() / Math.max(0.01, 1 - crop.left() - crop.right());
        double fullHeight = picture.height() / Math.max(0.01, 1 - crop.top() - crop.bottom());
        out.append("q ");
        double bottom = height - y - picture.height();
        if (picture.rotation() != 0) {
            double angle = Math.toRadians(-picture.rotation());
            double cos = Math.cos(angle);
            double sin = Math.sin(angle);
            double centreX = x + picture.width() / 2;
            double centreY = bottom + picture.height() / 2;
            out.append(number(cos)).append(' ').append(number(sin)).append(' ').append(number(-sin)).append(' ').append(number(cos)).append(' ')
                    .append(number(centreX - centreX * cos + centreY * sin)).append(' ').append(number(centreY - centreX * sin - centreY * cos)).append(" cm ");
        }
        if (!crop.equals(Insets.NONE)) out.append(number(x)).append(' ').append(number(bottom)).append(' ').append(number(picture.width())).append(' ').append(number(picture.height())).append(" re W n ");
        out.append(number(fullWidth)).append(" 0 0 ").append(number(fullHeight)).append(' ').append(number(x - crop.left() * fullWidth)).append(' ')
                .append(number(bottom - crop.bottom() * fullHeight)).append(" cm /").append(name).append(" Do Q\n");
    }

    @Override public void link(double x, double y, double width, double linkHeight, Link target) {
        if (!links.isEmpty()) {
            LinkArea last = links.get(links.size() - 1);
            boolean joins = last.target().equals(target) && Math.abs(last.y() - y) < 0.5 && Math.abs(last.x() + last.width() - x) < 2;
            if (joins) {
                links.set(links.size() - 1, new LinkArea(last.x(), last.y(), x + width - last.x(), Math.max(last.height(), linkHeight), target));
                return;
            }
        }
        links.add(new LinkArea(x, y, width, linkHeight, target));
    }

    private static String colour(Colour colour) { return number(colour.red() / 255.0) + " " + number(colour.green() / 255.0) + " " + number(colour.blue() / 255.0); }

    /** A number with up to four places and no more than it needs. */
    static String number(double value) {
        long scaled = Math.round(value * 10000);
        if (scaled % 10000 == 0) return Long.toString(scaled / 10000);
        String digits = Long.toString(Math.abs(scaled) % 10000 + 10000).substring(1);
        int end = digits.length();
        while (digits.charAt(end - 1) == '0') end--;
        return (scaled < 0 ? "-" : "") + Math.abs(scaled) / 10000 + "." + digits.substring(0, end);
    }
}
