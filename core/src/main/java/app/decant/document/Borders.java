package app.decant.document;

/** The borders round something and between its parts; a null side is left to what lies below. */
public record Borders(Border top, Border right, Border bottom, Border left, Border insideHorizontal, Border insideVertical) {
    public static final Borders OPEN = new Borders(null, null, null, null, null, null);

    /** The same line on all sides and between all parts. */
    public static Borders all(Border border) { return new Borders(border, border, border, border, border, border); }

    /** This set over another, side by side. */
    public Borders over(Borders below) {
        if (below == null) return this;
        return new Borders(first(top, below.top), first(right, below.right), first(bottom, below.bottom), first(left, below.left),
                first(insideHorizontal, below.insideHorizontal), first(insideVertical, below.insideVertical));
    }

    private static Border first(Border own, Border below) { return own != null ? own : below; }
}
