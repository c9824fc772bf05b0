package app.decant.edit;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;

/** Words that stand on every page of a document under its text: drawings in its headers, as office files have them. */
public final class Watermark {
    private static final Anchor MIDDLE = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, Alignment.CENTRE, 0),
            new Anchor.Vertical(Anchor.Vertical.From.PAGE, VerticalAlignment.CENTRE, 0), Anchor.Wrap.NONE, Insets.NONE, true);

    /** What covers more of a page's width and height than this is a printed paper, such as a letterhead. */
    private static final double PAPER = 0.85;

    private Watermark() { }

    /** What a document says under its text; null for nothing. */
    public static String of(Document document) {
        for (Section section : document.sections()) {
            String found = section.frames().values().stream().flatMap(List::stream).filter(Paragraph.class::isInstance)
                    .flatMap(block -> ((Paragraph) block).inlines().stream()).filter(one -> isOne(one, section.page()))
                    .map(one -> ((Picture) ((Inline.Floating) one).content()).description()).findFirst().orElse(null);
            if (found != null) return found;
        }
        return null;
    }

    /** Whether words lie in the middle of a page under its text: a drawing that says them. */
    private static boolean isOne(Inline inline, PageGeometry page) {
        return inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture && picture.description() != null
                && !picture.description().isBlank() && (picture.width() < PAPER * page.width() || picture.height() < PAPER * page.height())
                && floating.anchor().behind()
                && floating.anchor().wrap() == Anchor.Wrap.NONE && floating.anchor().horizontal().alignment() == Alignment.CENTRE
                && floating.anchor().vertical().alignment() == VerticalAlignment.CENTRE;
    }

    /**
     * Puts one on every page, in the place of any that is there.
     *
     * @param drawing for pages of a measure; null gives none to all
     */
    public static Change put(Document document, Selection picked, Function<PageGeometry, Picture> drawing) {
        Draft draft = new Draft(document, picked);
        for (int s = 0; s < document.sections().size(); s++) {
            Section section = document.sections().get(s);
            int index = s;
            Picture picture = drawing == null ? null : drawing.apply(section.page());
            Map<FramePlace, List<Block>> frames = new TreeMap<>(section.frames());
            if (picture != null) for (FramePlace place : missing(draft.document(), s)) frames.put(place, List.of(Paragraph.of("")));
            frames.forEach((place, blocks) -> {
                List<Block> made = place.isHeader() ? with(blocks, picture, section.page()) : without(blocks, section.page());
                if (!made.equals(section.frames().get(place))) draft.add(new FrameStep(new Story.Frame(index, place), made));
            });
        }
        return draft.done(EditKind.FRAME, picked);
    }

    /** The headers that a section has pages for and gets from nowhere. */
    private static List<FramePlace> missing(Document document, int section) {
        List<Section> before = document.sections().subList(0, section + 1);
        boolean even = document.sections().stream().anyMatch(one -> one.frames().containsKey(FramePlace.EVEN_HEADER)
                || one.frames().containsKey(FramePlace.EVEN_FOOTER));
        List<FramePlace> missing = new ArrayList<>();
        for (FramePlace place : List.of(FramePlace.FIRST_HEADER, FramePlace.HEADER, FramePlace.EVEN_HEADER)) {
            boolean shown = place == FramePlace.HEADER || (place == FramePlace.EVEN_HEADER ? even : document.sections().get(section).firstPageDiffers());
            if (shown && before.stream().noneMatch(one -> one.frames().containsKey(place))) missing.add(place);
        }
        return missing;
    }

    private static List<Block> with(List<Block> blocks, Picture picture, PageGeometry page) {
        List<Block> bare = new ArrayList<>(without(blocks, page));
        if (picture == null) return bare;
        int first = 0;
        while (first < bare.size() && !(bare.get(first) instanceof Paragraph)) first++;
        if (first == bare.size()) bare.add(Paragraph.of(""));
        Paragraph paragraph = (Paragraph) bare.get(first);
        List<Inline> inlines = new ArrayList<>(paragraph.inlines());
        // Over a paper that lies there as well.
        int at = 0;
        for (int i = 0; i < inlines.size(); i++) if (inlines.get(i) instanceof Inline.Floating) at = i + 1;
        inlines.add(at, new Inline.Floating(MIDDLE, picture, Look.PLAIN));
        bare.set(first, paragraph.withInlines(inlines));
        return bare;
    }

    private static List<Block> without(List<Block> blocks, PageGeometry page) {
        List<Block> bare = new ArrayList<>();
        for (Block block : blocks) {
            boolean has = block instanceof Paragraph paragraph && paragraph.inlines().stream().anyMatch(one -> isOne(one, page));
            bare.add(!has ? block : ((Paragraph) block).withInlines(((Paragraph) block).inlines().stream().filter(one -> !isOne(one, page)).toList()));
        }
        return bare;
    }
}
