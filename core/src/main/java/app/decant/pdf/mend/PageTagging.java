package app.decant.pdf.mend;

import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.page.LogicalStructure;
import app.decant.page.Passage;
import app.decant.pdf.Standard;
import app.decant.pdf.mend.Marked.Owner;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.SourceFile;
import app.decant.pdf.read.SourcePage;
import app.decant.pdf.structure.PageTags;
import app.decant.pdf.structure.Structure;
import app.decant.pdf.structure.Tag;
import app.decant.words.Message;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;

/**
 * Hangs a structure that was found in pages on what they show (ISO 32000-2, 14.7 and 14.8; ISO 14289-1, 7.1): their streams get marks of content and nothing
 * else, and the tree that was there before goes.
 */
public final class PageTagging {
    /** The sentence of a refusal that a person can lift by describing pictures. */
    public static final String NEEDS_WORDS = "write.needs-descriptions";

    private static final Set<String> UNTAGGED = Set.of("PrinterMark");

    private final PDDocument pdf;
    private final Structure structure;
    /** By pages of the source: what each mark belongs to. */
    private final Map<Integer, Map<Integer, Owner>> owners = new HashMap<>();
    /** By pages that say something else in some places: what the letters there belong to, by where they stand. */
    private final Map<Integer, List<Placed>> placed = new HashMap<>();
    private final Map<COSDictionary, Tag> annotated = new IdentityHashMap<>();
    private final Map<Tag, LogicalStructure.Area> figures = new LinkedHashMap<>();
    private final Set<Tag> ornaments = new HashSet<>();

    private PageTagging(PDDocument pdf, LogicalStructure told) {
        this.pdf = pdf;
        structure = new Structure(told.document());
        told.pictures().forEach((figure, area) -> {
            if (structure.figures().get(figure) != null) figures.put(structure.figures().get(figure), area);
        });
        for (LogicalStructure.InLine one : told.inLines()) {
            Tag text = structure.of(one.passage());
            if (text == null || one.description() != null && one.description().isBlank()) continue;
            Tag figure = structure.within("Figure", text);
            if (one.description() != null) figure.describe(one.description());
            figures.put(figure, one.area());
        }
        int rank = 0;
        for (Map.Entry<Passage, List<LogicalStructure.Share>> passage : told.shares().entrySet()) {
            for (LogicalStructure.Share share : passage.getValue()) {
                Tag label = share.label() ? structure.labelOf(passage.getKey()) : null;
                Tag tag = label == null ? structure.of(passage.getKey()) : label;
                if (tag == null) continue;
                for (int mark : share.marks()) owners.computeIfAbsent(share.page(), key -> new HashMap<>()).putIfAbsent(mark, new Owner(tag, rank++, false));
            }
        }
        for (LogicalStructure.Place place : told.places()) {
            Tag label = place.label() ? structure.labelOf(place.passage()) : null;
            Tag tag = label == null ? structure.of(place.passage()) : label;
            List<Placed> there = placed.computeIfAbsent(place.page(), key -> new ArrayList<>());
            if (tag != null) there.add(new Placed((place.left() + place.right()) / 2, place.baseline(), new Owner(tag, rank++, false)));
        }
    }

    /** A letter that belongs to an element. */
    private record Placed(double middle, double baseline, Owner owner) { }

    /** What a glyph of a rewritten page belongs to; null for what is none of its passages. */
    private Owner placed(Glyph glyph, int ground) {
        Owner nearest = null;
        double least = 0.35 * glyph.size();
        for (Placed one : placed.get(ground)) {
            if (Math.abs(one.baseline - glyph.baseline()) > 0.3 * glyph.size()) continue;
            double away = Math.abs(one.middle - glyph.x() - glyph.width() / 2);
            if (away >= least) continue;
            least = away;
            nearest = one.owner;
        }
        return nearest;
    }

    /**
     * Tags the pages of a file.
     *
     * @param source  the file they come from, opened for this
     * @param grounds for each page of the file the page of the source that it is
     * @param numbers by which what is told calls each of them
     * @throws IOException     where a stream can't be parsed, or is not what the source has
     * @throws DecantException ({@link #NEEDS_WORDS}) where a picture is described to nobody
     */
    public static List<Finding> tag(PDDocument pdf, SourceFile source, LogicalStructure told, List<Integer> grounds, List<Integer> numbers,
            Standard standard, Progress progress) throws IOException {
        PageTagging tagging = new PageTagging(pdf, told);
        tagging.forget();
        List<PageTags> tags = new ArrayList<>();
        for (int i = 0; i < grounds.size(); i++) tags.add(tagging.structure.nextPage());
        for (int i = 0; i < grounds.size(); i++)
            tagging.page(pdf.getPage(i), PageReader.addressed(source, grounds.get(i), progress), numbers.get(i), tags.get(i));
        for (PDPage page : pdf.getPages()) tagging.annotations(page);
        tagging.ornaments.removeIf(Tag::isShown);
        long nameless = tagging.figures.keySet().stream().filter(figure -> figure.role().equals("Figure") && figure.isShown() && !figure.isDescribed()).count();
        tagging.structure.write(pdf);
        List<Finding> findings = new ArrayList<>(List.of(Finding.changed(Message.of("mend.tags-found"))));
        if (!tagging.ornaments.isEmpty()) findings.add(Finding.changed(Message.of("mend.drawings-are-ornaments", tagging.ornaments.size())));
        // Only a person can say what a picture shows (ISO 14289-1, 7.3).
        if (nameless > 0) throw new DecantException(DecantException.Kind.WRONG_CALL, Message.of(NEEDS_WORDS, standard.words(), nameless));
        return findings;
    }

    /** What belonged to the tree that was there. */
    private void forget() {
        pdf.getDocumentCatalog().getCOSObject().removeItem(COSName.STRUCT_TREE_ROOT);
        FileObjects.each(pdf, dictionary -> {
            dictionary.removeItem(COSName.STRUCT_PARENT);
            dictionary.removeItem(COSName.STRUCT_PARENTS);
        });
    }

    private void page(PDPage page, PageReader.Addressed read, int ground, PageTags tags) throws IOException {
        Map<Integer, Owner> own = owners.getOrDefault(ground, Map.of());
        List<LinkPlace> links = links(page, read.page().turn());
        ScanLayer layer = ScanLayer.of(read.page(), figure(read.page(), ground), structure);
        if (layer == null && own.isEmpty() && !placed.containsKey(ground)) layer = ScanLayer.ofWhole(structure);
        Marked marked = new Marked();
        StreamTagging.FontPlaces fonts = new StreamTagging.FontPlaces(new HashMap<>(), new HashMap<>());
        for (ShownGlyph glyph : read.shown()) {
            if (glyph.operator() < 0) continue;
            Owner owner = placed.containsKey(ground) ? placed(glyph.glyph(), ground) : own.get(glyph.glyph().order());
            if (owner == null && layer != null && layer.has(glyph.glyph())) owner = layer.owner(glyph.glyph());
            if (owner == null) owner = glyph.glyph().isSpace() ? Owner.BLANK : Owner.ORNAMENT;
            marked.at(glyph.path()).text.computeIfAbsent(glyph.operator(), key -> new TreeMap<>()).put(glyph.code(), linked(owner, glyph, links));
            fonts.at(glyph.path()).own().put(glyph.operator(), glyph.font());
        }
        figures(read, ground, marked);
        COSDictionary resources = StreamTagging.copied(page.getResources() == null ? new COSDictionary() : page.getResources().getCOSObject());
        byte[] before;
        try (InputStream in = page.getContents()) {
            before = in == null ? new byte[0] : in.readAllBytes();
        }
        byte[] made = StreamTagging.of(before, resources, marked, tags, fonts);
        COSStream stream = pdf.getDocument().createCOSStream();
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(made);
        }
        page.getCOSObject().setItem(COSName.CONTENTS, stream);
        page.getCOSObject().setItem(COSName.RESOURCES, resources);
    }

    /** An area that leads somewhere, in points from the top left corner of the page as it was read. */
    private record LinkPlace(COSDictionary annotation, Rectangle2D area) { }

    private static List<LinkPlace> links(PDPage page, int turn) throws IOException {
        List<LinkPlace> places = new ArrayList<>();
        for (PDAnnotation annotation : page.getAnnotations()) {
            PDRectangle box = annotation.getRectangle();
            if (!(annotation instanceof PDAnnotationLink) || box == null) continue;
            Rectangle2D area = new Rectangle2D.Double(box.getLowerLeftX(), box.getLowerLeftY(), box.getWidth(), box.getHeight());
            places.add(new LinkPlace(annotation.getCOSObject(), PageReader.toPage(page, turn).createTransformedShape(area).getBounds2D()));
        }
        return places;
    }

    /** What stands in the area of a link belongs to an element for it, within its own; a link has one such element. */
    private Owner linked(Owner owner, ShownGlyph glyph, List<LinkPlace> links) {
        if (owner.tag() == null) return owner;
        Point2D middle = new Point2D.Double(glyph.glyph().x() + glyph.glyph().width() / 2, glyph.glyph().baseline() - glyph.glyph().size() * 0.3);
        for (LinkPlace link : links) {
            if (!link.area.contains(middle)) continue;
            Tag known = annotated.computeIfAbsent(link.annotation, key -> structure.within("Link", owner.tag()));
            if (known.isWithin(owner.tag())) return new Owner(known, owner.rank(), false);
        }
        return owner;
    }

    /** The figure that is the scan of a page, or null. */
    private Tag figure(SourcePage page, int ground) {
        if (!page.isScan()) return null;
        for (Map.Entry<Tag, LogicalStructure.Area> picture : figures.entrySet()) {
            LogicalStructure.Area area = picture.getValue();
            double covers = (area.right() - area.left()) * (area.bottom() - area.top());
            if (area.page() == ground && covers > 0.7 * page.width() * page.height()) return picture.getKey();
        }
        return null;
    }

    /** Whatever is painted in the area of a picture is the picture. */
    private void figures(PageReader.Addressed read, int ground, Marked marked) {
        Map<Integer, Owner> own = owners.getOrDefault(ground, Map.of());
        Map<Integer, Rectangle2D> boxes = PaintedBoxes.of(read.page());
        Set<Integer> pictures = read.page().pictures().stream().map(one -> one.order()).collect(Collectors.toSet());
        for (PageReader.Painted painted : read.painted()) {
            Owner owner = own.getOrDefault(painted.from(), Owner.ORNAMENT);
            Rectangle2D box = boxes.get(painted.from());
            for (Map.Entry<Tag, LogicalStructure.Area> picture : figures.entrySet())
                if (box != null && picture.getValue().page() == ground && picture.getValue().holds(box)) {
                    // A drawing that nobody gave words to is taken for an ornament; a picture seldom is one.
                    boolean ornament = !picture.getKey().isDescribed() && !pictures.contains(painted.from());
                    if (ornament) ornaments.add(picture.getKey());
                    else owner = owner(picture.getKey());
                }
            marked.at(painted.path()).painted.put(painted.operator(), owner);
        }
    }

    /** A scan with a text of its own is what that text looks like, and no picture. */
    private static Owner owner(Tag figure) {
        // A picture in a line is told after its words.
        return figure.role().equals("Figure") ? new Owner(figure, Integer.MAX_VALUE, false) : Owner.ORNAMENT;
    }

    private void annotations(PDPage page) throws IOException {
        for (PDAnnotation annotation : page.getAnnotations()) {
            String kind = String.valueOf(annotation.getSubtype());
            if (UNTAGGED.contains(kind)) continue;
            COSDictionary dictionary = annotation.getCOSObject();
            dictionary.setItem(COSName.P, page.getCOSObject());
            String words = AnnotationRules.words(dictionary, kind);
            Tag tag = annotated.get(dictionary);
            if (tag == null) tag = structure.within(kind.equals("Link") ? "Link" : kind.equals("Widget") ? "Form" : "Annot", structure.whole());
            if (!kind.equals("Link")) tag.describe(words);
            if (dictionary.getString(COSName.CONTENTS) == null) dictionary.setString(COSName.CONTENTS, words);
            dictionary.setInt(COSName.STRUCT_PARENT, structure.annotate(tag, dictionary));
        }
    }
}
