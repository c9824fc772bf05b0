package app.decant.format.formula;

import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Rewriting;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.format.shape.DrawnShape.Ink;
import app.decant.format.shape.DrawnShape.Made;
import app.decant.format.shape.DrawnShape.Part;
import app.decant.format.shape.DrawnShape.Pen;
import app.decant.format.shape.DrawnShape;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.awt.geom.AffineTransform;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A document whose formulas are set in the size and colour of the text they stand in, on its baseline. They stay the markup that they are, for the formats
 * that have it; their letters can be found and copied.
 */
public final class FormulaPictures extends Rewriting {
    private static final Pattern TAG = Pattern.compile("<[^>]*>");

    private final Cascade cascade;

    private FormulaPictures(Cascade cascade) { this.cascade = cascade; }

    /** The very document where there is no formula in it. */
    public static Document of(Document document) { return new FormulaPictures(Cascade.of(document)).document(document); }

    /** Whether something of a file is a formula that this sets. */
    public static boolean isFormula(Opaque opaque) { return opaque.source().startsWith("<m:oMath") || opaque.source().startsWith("<math:math"); }

    @Override protected Paragraph paragraph(Paragraph told) {
        Paragraph paragraph = super.paragraph(told);
        List<Inline> made = null;
        boolean alone = true;
        for (int i = 0; i < paragraph.inlines().size(); i++) {
            Inline inline = paragraph.inlines().get(i);
            if (!(inline instanceof Inline.OpaqueInline kept) || !isFormula(kept.opaque())) {
                alone &= inline instanceof Inline.Text text && text.text().isBlank() || !(inline instanceof Inline.Text);
                continue;
            }
            alone &= kept.opaque().source().startsWith("<m:oMathPara");
            if (kept.opaque().likeness() != null) continue;
            if (made == null) made = new ArrayList<>(paragraph.inlines());
            made.set(i, set(kept, cascade.text(told, kept.look())));
        }
        if (made == null) return paragraph;
        Paragraph shown = paragraph.withInlines(made);
        // A formula with lines of its own stands in their middle (ISO/IEC 29500-1, 22.1.2.50).
        boolean centred = alone && !shown.look().says(ParagraphProperty.ALIGNMENT);
        return centred ? shown.withLook(shown.look().with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE)) : shown;
    }

    /** The formula as MathML, whatever it came as. */
    public static String mathMarkup(Opaque opaque) {
        // Pages know no prefixes.
        if (opaque.source().startsWith("<math:math"))
            return TAG.matcher(opaque.source()).replaceAll(tag -> Matcher.quoteReplacement(tag.group().replaceFirst("^<(/?)math:", "<$1")
                    .replace(" xmlns:math=", " xmlns=").replace(" math:", " ")));
        return MathWriter.markup(formula(opaque), opaque.source().startsWith("<m:oMathPara"));
    }

    /** The formula as Office Math, whatever it came as. */
    public static String officeMarkup(Opaque opaque) {
        return opaque.source().startsWith("<m:") ? opaque.source() : OfficeMathWriter.markup(formula(opaque), isDisplayed(markup(opaque)));
    }

    private static boolean isDisplayed(XmlNode markup) { return markup.is("m:oMathPara") || "block".equals(markup.get("display")); }

    private static XmlNode markup(Opaque opaque) { return XmlReader.tree(opaque.source().getBytes(StandardCharsets.UTF_8), "formula"); }

    static Formula formula(Opaque opaque) {
        XmlNode markup = markup(opaque);
        return markup.is("math:math") ? MathMarkup.read(markup) : OfficeMath.read(markup);
    }

    private static Inline set(Inline.OpaqueInline kept, Look look) {
        Opaque opaque = kept.opaque();
        XmlNode markup = markup(opaque);
        Formula formula = formula(opaque);
        FormulaBox box = new FormulaSetter(FontCatalogue.ofThisMachine(), isDisplayed(markup)).set(formula, look.get(TextProperty.SIZE, 11.0));
        List<Part> parts = box.outlines().stream().map(path -> new Part(path, true, false, 1)).toList();
        Colour colour = look.get(TextProperty.COLOUR, Colour.BLACK);
        Made drawn = DrawnShape.draw(parts, new Ink(colour, 1, Pen.NONE), new AffineTransform(), formula.inWords());
        if (drawn == null) return kept;
        Picture picture = drawn.picture().over(box.words().stream()
                .map(word -> new Picture.Word(word.text(), word.x() - drawn.x(), word.baseline() - drawn.y(), word.width(), word.size())).toList());
        // The drawing begins above the baseline, and its lower edge lies below it by what is left of its height.
        double below = drawn.y() + picture.height();
        Opaque shown = new Opaque(opaque.family(), opaque.what(), opaque.source(), opaque.parts(), picture);
        return new Inline.OpaqueInline(shown, kept.look().with(TextProperty.RAISE, -below));
    }
}
