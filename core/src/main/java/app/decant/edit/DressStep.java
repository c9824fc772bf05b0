package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Story;
import app.decant.edit.Outcome.Refusal;
import java.util.Collections;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** Paragraphs that look otherwise and say the same; an object may be another of its kind. Every place stays. */
public record DressStep(Story story, SortedMap<BlockPath, Paragraph> paragraphs) implements Step {
    public DressStep { paragraphs = Collections.unmodifiableSortedMap(new TreeMap<>(paragraphs)); }

    @Override public Outcome apply(Document document) {
        for (Map.Entry<BlockPath, Paragraph> entry : paragraphs.entrySet()) {
            if (document.find(story, entry.getKey()) == null) return Outcome.refused(Refusal.NOT_THERE);
            if (!(document.find(story, entry.getKey()) instanceof Paragraph present)) return Outcome.refused(Refusal.NO_PARAGRAPH);
            if (!present.text().equals(entry.getValue().text())) return Outcome.refused(Refusal.OTHER_TEXT);
        }
        return Outcome.of(document.replacing(story, paragraphs));
    }

    @Override public DressStep inverse(Document before) {
        SortedMap<BlockPath, Paragraph> worn = new TreeMap<>();
        for (BlockPath path : paragraphs.keySet()) worn.put(path, (Paragraph) before.find(story, path));
        return new DressStep(story, worn);
    }

    @Override public PositionMap map() { return PositionMap.SAME; }
}
