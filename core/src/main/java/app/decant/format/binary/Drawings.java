package app.decant.format.binary;

import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.picture.PictureDecoder;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;

/** Pictures as office drawings (MS-ODRAW): those that stand in a line, whole in the data stream; those that float, as shapes of one drawing a story. */
final class Drawings {
    private static final double RESOLUTION = 200;
    private static final int PICTURE_FRAME = 75;

    private final List<Shape> body = new ArrayList<>();
    private final List<Shape> headers = new ArrayList<>();
    private int changed;

    /** A floating picture: its number, its bytes. */
    private record Shape(int number, Picture picture, int level, byte[] blip, boolean png, byte[] digest) { }

    /** How many pictures had to become pixels, or PNG, since the format knows no other kind. */
    int changed() { return changed; }

    boolean isEmpty() { return body.isEmpty() && headers.isEmpty(); }

    /** The PNG or JPEG of a picture. */
    private byte[] file(Image image) throws IOException {
        if (image.type().equals("image/png") || image.type().equals("image/jpeg")) return image.bytes();
        changed++;
        BufferedImage pixels = PictureDecoder.decode(image, RESOLUTION);
        if (pixels == null) throw new IOException("No pixels in " + image);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(pixels, "png", out);
        return out.toByteArray();
    }

    /** A record of the drawing layer (MS-ODRAW 2.2.1). */
    private static Bytes record(int version, int instance, int type, byte[] content) {
        return new Bytes().two(version | instance << 4).two(type).four(content.length).all(content);
    }

    private static byte[] container(int type, Bytes... children) {
        Bytes all = new Bytes();
        for (Bytes child : children) all.all(child);
        return record(0xF, 0, type, all.toBytes()).toBytes();
    }

    private static Bytes as(byte[] bytes) { return new Bytes().all(bytes); }

    /** 2.2.28 and 2.2.27: the file with its digest in front. */
    private static byte[] blip(byte[] file, boolean png, byte[] digest) {
        return record(0, png ? 0x6E0 : 0x46A, png ? 0xF01E : 0xF01D, new Bytes().all(digest).one(0xFF).all(file).toBytes()).toBytes();
    }

    /** 2.2.32: what is known of a picture; {@code place} is where it stands in the stream, where it is not right behind. */
    private static Bytes entry(boolean png, byte[] digest, int size, long place, byte[] behind) {
        int kind = png ? 6 : 5;
        Bytes content = new Bytes().one(kind).one(kind).all(digest).two(0xFF).four(size).four(1).four(place).one(0).one(0).two(0).all(behind);
        return record(2, kind, 0xF007, content.toBytes());
    }

    private static byte[] digest(byte[] file) {
        try {
            return MessageDigest.getInstance("MD5").digest(file);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Properties of a shape: which picture it shows, how much of it is cut off (2.3.23.5 and 2.3.23.1 to 4). */
    private static Bytes options(int blip, Picture picture) {
        Bytes bytes = new Bytes();
        int count = 0;
        double[] crop = {picture.crop().top(), picture.crop().bottom(), picture.crop().left(), picture.crop().right()};
        if (picture.rotation() != 0) {
            bytes.two(0x0004).four(Math.round(picture.rotation() * 65536));
            count++;
        }
        for (int i = 0; i < 4; i++) {
            if (crop[i] == 0) continue;
            bytes.two(0x0100 + i).four(Math.round(crop[i] * 65536));
            count++;
        }
        bytes.two(0x4104).four(blip);
        count++;
        Bytes behind = new Bytes();
        if (picture.description() != null) {
            byte[] text = new Bytes().text(picture.description()).two(0).toBytes();
            bytes.two(0x8381).four(text.length);
            behind.all(text);
            count++;
        }
        return record(3, count, 0xF00B, bytes.all(behind).toBytes());
    }

    /** A picture in a line, as the data stream holds it (MS-DOC 2.9.192 PICFAndOfficeArtData). */
    byte[] inline(Picture picture) throws IOException {
        byte[] file = file(picture.image());
        boolean png = file[0] == (byte) 0x89;
        byte[] digest = digest(file);
        byte[] blip = blip(file, png, digest);
        Bytes shape = as(container(0xF004, record(2, PICTURE_FRAME, 0xF00A, new Bytes().four(0x0401).four(0x0A00).toBytes()), options(1, picture)));
        byte[] drawn = new Bytes().all(shape).all(entry(png, digest, blip.length, 0, blip)).toBytes();
        int width = LookProperties.twips(picture.width());
        int height = LookProperties.twips(picture.height());
        Bytes header = new Bytes().four(68L + drawn.length).two(68).two(0x64).two(0).two(0).two(0).zeros(14).two(width).two(height).two(1000).two(1000)
                .zeros(8).one(0).one(0).zeros(16).two(0).two(0).two(0);
        return header.all(drawn).toBytes();
    }

    /** Adds a floating picture; gives the number of its shape. */
    int add(Picture picture, int level, boolean inHeader) throws IOException {
        byte[] file = file(picture.image());
        boolean png = file[0] == (byte) 0x89;
        List<Shape> shapes = inHeader ? headers : body;
        int number = (inHeader ? 0x0800 : 0x0400) + shapes.size() + 1;
        byte[] digest = digest(file);
        shapes.add(new Shape(number, picture, level, blip(file, png, digest), png, digest));
        return number;
    }

    private List<Shape> all() {
        List<Shape> all = new ArrayList<>(body);
        all.addAll(headers);
        return all;
    }

    /** The pictures of floating shapes, which stand in the stream of the document from {@code place} on. */
    byte[] blips() {
        Bytes bytes = new Bytes();
        for (Shape shape : all()) bytes.all(shape.blip);
        return bytes.toBytes();
    }

    /** All floating shapes (MS-DOC 2.9.172, OfficeArtContent). @param place where {@link #blips} begins */
    byte[] content(int place) {
        Bytes entries = new Bytes();
        long at = place;
        for (Shape shape : all()) {
            entries.all(entry(shape.png, shape.digest, shape.blip.length, at, new byte[0]));
            at += shape.blip.length;
        }
        int drawings = headers.isEmpty() ? 1 : 2;
        Bytes group = new Bytes().four(headers.isEmpty() ? 0x0800 : 0x0C00).four(drawings + 1).four(all().size() + drawings).four(drawings);
        group.four(1).four(body.size() + 1L);
        if (drawings > 1) group.four(2).four(headers.size() + 1L);
        byte[] store = record(0xF, all().size(), 0xF001, entries.toBytes()).toBytes();
        Bytes content = new Bytes().all(container(0xF000, record(0, 0, 0xF006, group.toBytes()), as(store)));
        content.one(0).all(drawing(1, body, 0));
        if (drawings > 1) content.one(1).all(drawing(2, headers, body.size()));
        return content.toBytes();
    }

    private byte[] drawing(int number, List<Shape> shapes, int before) {
        int base = number * 0x0400;
        Bytes group = as(container(0xF004, record(1, 0, 0xF009, new byte[16]), record(2, 0, 0xF00A, new Bytes().four(base).four(0x0005).toBytes())));
        Bytes all = new Bytes().all(group);
        // Shapes lie over those that come before them.
        List<Integer> order = IntStream.range(0, shapes.size()).boxed().sorted(Comparator.comparingInt(i -> shapes.get(i).level)).toList();
        for (int i : order) {
            Shape shape = shapes.get(i);
            all.all(container(0xF004, record(2, PICTURE_FRAME, 0xF00A, new Bytes().four(shape.number).four(0x0A00).toBytes()),
                    options(before + i + 1, shape.picture), record(0, 0, 0xF010, new Bytes().four(0).toBytes()), record(0, 0, 0xF011, new Bytes().four(1)
                    .toBytes())));
        }
        byte[] groupContainer = record(0xF, 0, 0xF003, all.toBytes()).toBytes();
        int last = shapes.isEmpty() ? base : shapes.get(shapes.size() - 1).number;
        return container(0xF002, record(0, number, 0xF008, new Bytes().four(shapes.size() + 1L).four(last).toBytes()), as(groupContainer));
    }
}
