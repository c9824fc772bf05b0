package app.decant.format.html;

import app.decant.document.Anchor;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.picture.PictureDecoder;
import app.decant.words.Message;
import java.io.IOException;
import java.util.Base64;
import java.util.Map;
import java.util.function.Consumer;
import org.jsoup.nodes.Element;
import org.slf4j.LoggerFactory;

/** Pictures that are in the page itself; what lies outside is not fetched. */
final class HtmlPicture {
    private HtmlPicture() { }

    /** Puts a picture where it stands. @param tell hears of what is left out */
    static void put(Element element, Map<String, String> css, HtmlContext context, Filling filling, Consumer<Message> tell) {
        String source = element.attr("src");
        int comma = source.indexOf(',');
        if (!source.startsWith("data:image/") || comma < 0 || !source.substring(0, comma).endsWith(";base64")) {
            tell.accept(Message.of("html.pictures-that-lie-outside-the-page-file"));
            if (!element.attr("alt").isBlank()) filling.text("[" + element.attr("alt").strip() + "]", context.text(), false);
            return;
        }
        byte[] bytes;
        try {
            bytes = Base64.getMimeDecoder().decode(source.substring(comma + 1));
        } catch (IllegalArgumentException e) {
            tell.accept(Message.of("html.a-picture-of-the-page-is-damaged"));
            return;
        }
        String type = source.substring(5, source.indexOf(';'));
        Double width = StyleValues.length(css.get("width"), context.size());
        if (width == null && element.attr("width").matches("\\d{1,5}")) width = Integer.parseInt(element.attr("width")) * 0.75;
        Double height = StyleValues.length(css.get("height"), context.size());
        if (height == null && element.attr("height").matches("\\d{1,5}")) height = Integer.parseInt(element.attr("height")) * 0.75;
        double[] natural = natural(bytes);
        double wide = width != null && width > 0 ? width : height != null && natural[1] > 0 ? height * natural[0] / natural[1] : natural[0];
        double high = height != null && height > 0 ? height : wide * natural[1] / Math.max(1, natural[0]);
        if (wide > HtmlReader.TEXT_WIDTH) {
            high = high * HtmlReader.TEXT_WIDTH / wide;
            wide = HtmlReader.TEXT_WIDTH;
        }
        Picture picture = new Picture(new Image(type, bytes), Math.max(1, wide), Math.max(1, high), element.attr("alt").isBlank() ? null : element.attr("alt"));
        String side = css.get("float");
        if ("left".equals(side) || "right".equals(side)) {
            Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, side.equals("right") ? Alignment.END : Alignment.START, 0),
                    new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0), Anchor.Wrap.SQUARE, new Insets(0, 9, 4, 9), false);
            filling.inlines.add(new Inline.Floating(anchor, picture, context.text()));
        } else {
            filling.inlines.add(new Inline.InlinePicture(picture, context.text()));
        }
    }

    /** The size of a picture in points, at 96 pixels an inch. */
    private static double[] natural(byte[] bytes) {
        try {
            var image = PictureDecoder.decode(new Image("image/*", bytes), 96);
            if (image != null) return new double[] {image.getWidth() * 0.75, image.getHeight() * 0.75};
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(HtmlPicture.class).debug("A picture tells no size", e);
        }
        return new double[] {100, 100};
    }
}
