package app.decant.layout;

import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Walk;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Which stories a document's paragraphs belong to. What is not asked for is not walked through: typing in the body asks for none of the others. */
final class StoryIndex {
    private final Document document;
    private final Map<Story, Walk> walks = new HashMap<>();
    private Map<Paragraph, Story> others;

    /** What was walked through last, as long as this one was not. */
    private Walked earlier;

    private record Walked(Document document, Walk walk) { }

    /** @param before of the document as it was before an edit; or null */
    StoryIndex(Document document, StoryIndex before) {
        this.document = document;
        earlier = before == null ? null : before.walked();
    }

    private synchronized Walked walked() { return walks.containsKey(Story.BODY) ? new Walked(document, walks.get(Story.BODY)) : earlier; }

    /** The paragraphs of a story in order; none where there is no such story. */
    synchronized Walk walk(Story story) {
        if (story instanceof Story.Body && earlier != null && !walks.containsKey(story)) {
            walks.put(story, Walk.of(document, earlier.document, earlier.walk));
            earlier = null;
        }
        return walks.computeIfAbsent(story, key -> Stories.has(document, key) ? Walk.of(document, key) : Walk.of(List.of(), null, 0));
    }

    /** The paragraph of a place, or null. */
    Paragraph paragraph(Place place) {
        return Stories.has(document, place.story()) && document.find(place.story(), place.path()) instanceof Paragraph paragraph ? paragraph : null;
    }

    /**
     * The story of a paragraph (this very object), or null.
     *
     * @param section on whose page it stands: headers and footers are those of the nearest section that has them
     */
    synchronized Story of(Paragraph paragraph, int section) {
        if (walk(Story.BODY).indexOf(paragraph) >= 0) return Story.BODY;
        for (int s = Math.min(section, document.sections().size() - 1); s >= 0; s--) {
            for (Section.FramePlace place : document.sections().get(s).frames().keySet()) {
                Story frame = new Story.Frame(s, place);
                if (walk(frame).indexOf(paragraph) >= 0) return frame;
            }
        }
        if (others == null) {
            others = new IdentityHashMap<>();
            for (Story story : Stories.all(document)) for (Walk.Stop stop : walk(story).stops()) others.putIfAbsent(stop.paragraph(), story);
        }
        return others.get(paragraph);
    }
}
