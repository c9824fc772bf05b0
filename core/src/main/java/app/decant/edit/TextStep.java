package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Story;
import app.decant.edit.Outcome.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;

/** Text of paragraphs replaced, in one or many places of a story at once. */
public record TextStep(Story story, List<Part> parts) implements Step {
    /** Stretches do not touch each other, and come in the order in which they are read. */
    public TextStep {
        parts = List.copyOf(parts);
        for (int i = 1; i < parts.size(); i++) if (!parts.get(i - 1).isBefore(parts.get(i))) throw new IllegalArgumentException("Stretches overlap: " + parts);
    }

    public TextStep(Story story, BlockPath path, Cut from, Cut to, List<Inline> inlines) { this(story, List.of(new Part(path, from, to, inlines))); }

    /** A stretch of a paragraph, as the document before has it, and what takes its place. */
    public record Part(BlockPath path, Cut from, Cut to, List<Inline> inlines) {
        public Part {
            if (from.offset() > to.offset() || from.offset() == to.offset() && from.points() > to.points())
                throw new IllegalArgumentException("A stretch ends before it begins: " + from + " " + to);
            inlines = List.copyOf(inlines);
        }

        int removed() { return to.offset() - from.offset(); }

        int inserted() { return inlines.stream().mapToInt(Inline::length).sum(); }

        private boolean isBefore(Part other) {
            int order = path.compareTo(other.path);
            return order < 0 || order == 0 && to.offset() < other.from.offset();
        }
    }

    @Override public Outcome apply(Document document) {
        SortedMap<BlockPath, Paragraph> made = new TreeMap<>();
        for (int i = 0; i < parts.size(); ) {
            BlockPath path = parts.get(i).path();
            if (document.find(story, path) == null) return Outcome.refused(Refusal.NOT_THERE);
            if (!(document.find(story, path) instanceof Paragraph paragraph)) return Outcome.refused(Refusal.NO_PARAGRAPH);
            List<Inline> inlines = new ArrayList<>();
            Cut at = Cut.before(0);
            for (; i < parts.size() && parts.get(i).path().equals(path); i++) {
                Part part = parts.get(i);
                if (isBeyond(paragraph, part.from()) || isBeyond(paragraph, part.to())) return Outcome.refused(Refusal.OUT_OF_RANGE);
                inlines.addAll(paragraph.part(at, part.from()));
                inlines.addAll(part.inlines());
                at = part.to();
            }
            inlines.addAll(paragraph.part(at, Cut.after(paragraph, paragraph.length())));
            made.put(path, paragraph.withInlines(inlines));
        }
        return Outcome.of(document.replacing(story, made));
    }

    private static boolean isBeyond(Paragraph paragraph, Cut cut) {
        return cut.offset() > paragraph.length() || cut.points() > paragraph.pointsAt(cut.offset());
    }

    @Override public TextStep inverse(Document before) {
        List<Part> back = new ArrayList<>();
        BlockPath path = null;
        int shift = 0;
        for (Part part : parts) {
            if (!part.path().equals(path)) shift = 0;
            path = part.path();
            Paragraph paragraph = (Paragraph) before.find(story, path);
            int start = part.from().offset() + shift;
            // Bookmark points at the end of what was put in lie before those that stood there.
            int trailing = part.inserted() == 0 ? part.from().points() : 0;
            for (int i = part.inlines().size() - 1; i >= 0 && part.inlines().get(i).length() == 0; i--) trailing++;
            back.add(new Part(path, new Cut(start, part.from().points()), new Cut(start + part.inserted(), trailing), paragraph.part(part.from(), part.to())));
            shift += part.inserted() - part.removed();
        }
        return new TextStep(story, back);
    }

    @Override public PositionMap map() {
        return PositionMap.within(story, (place, side) -> {
            int at = place.offset();
            int shift = 0;
            for (Part part : parts) {
                int order = part.path().compareTo(place.path());
                if (order > 0 || order == 0 && at < part.from().offset()) break;
                if (order < 0) continue;
                int from = part.from().offset();
                int to = part.to().offset();
                if (at > to) {
                    shift += part.inserted() - part.removed();
                    continue;
                }
                boolean deleted = from < to && (side == Side.AFTER ? at < to : at > from);
                boolean behind = at == to && (from < to || side == Side.AFTER) || at > from && side == Side.AFTER;
                return new PositionMap.Mapped(place.at(from + shift + (behind ? part.inserted() : 0)), deleted);
            }
            return new PositionMap.Mapped(place.at(at + shift), false);
        });
    }
}
