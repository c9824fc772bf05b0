package app.decant.format.shape;

import app.decant.document.Colour;

/** Colours as the office drawing layer tells them (MS-ODRAW 2.2.2): by their parts, by a number of a scheme, or made of others of the same shape. */
final class OfficeColour {
    private static final int SCHEME = 0x08;
    private static final int MADE = 0x10;
    private static final Colour BUTTON = new Colour(0xE4E4E4);

    private OfficeColour() { }

    static Colour rgb(int told) { return new Colour((told & 0xFF) << 16 | told & 0xFF00 | told >> 16 & 0xFF); }

    /** @param shape whose colours others are made of */
    static Colour of(int told, OfficeShape shape, Colour otherwise) {
        int flags = told >>> 24;
        if ((flags & SCHEME) != 0) return otherwise;
        return (flags & MADE) == 0 ? rgb(told) : changed(base(told & 0xFF, shape, otherwise), told >> 8 & 0xF, told >> 16 & 0xFF);
    }

    /** One of the same shape, or of the machine it was drawn on (2.4.19; those of machines from memory). */
    private static Colour base(int number, OfficeShape shape, Colour otherwise) {
        return switch (number) {
            case 0xF0, 0xF5, 0xF7 -> shape.plainFill();
            case 0xF1, 0xF2, 0xF6 -> shape.plainLine();
            case 0x05 -> Colour.WHITE;
            case 0x06, 0x07, 0x08, 0x12 -> Colour.BLACK;
            case 0x0F -> BUTTON;
            default -> otherwise;
        };
    }

    private static Colour changed(Colour base, int how, int share) {
        return switch (how) {
            case 1 -> base.mixed(Colour.BLACK, share / 255.0);
            case 2 -> base.mixed(Colour.WHITE, share / 255.0);
            default -> base;
        };
    }
}
