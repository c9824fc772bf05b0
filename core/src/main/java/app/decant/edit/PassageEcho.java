package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import java.util.List;

/** {@link Echo} of a passage. */
public record PassageEcho(Echo echo, List<TextSelection> others) implements Alike {
    public static PassageEcho of(Document document, BlockPath model) {
        Echo echo = Echo.of(document, model);
        return new PassageEcho(echo, echo.others().stream().map(path -> whole(document, path)).toList());
    }

    private static TextSelection whole(Document document, BlockPath path) {
        return new TextSelection(new Place(path, 0), new Place(path, document.paragraph(path).length()));
    }

    @Override public String words(Document document, int other) {
        return document.paragraph(echo.others().get(other)).plainText().replaceAll("\\s+", " ").strip();
    }

    @Override public Change give(Document document, Selection picked, List<Integer> wanted) {
        return echo.apply(document, picked, wanted.stream().map(echo.others()::get).toList());
    }

    @Override public Change giveTo(Document document, Selection picked) {
        BlockPath path = picked.head().path();
        boolean body = picked.story() instanceof Story.Body && document.find(Story.BODY, path) instanceof Paragraph;
        return body && !path.equals(echo.model()) ? echo.apply(document, picked, List.of(path)) : null;
    }
}
