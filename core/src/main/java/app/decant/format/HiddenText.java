package app.decant.format;

import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Rewriting;
import app.decant.document.TextProperty;
import java.util.List;

/** Text that is there but not shown: formats that are published to be read leave it out, or it would go out without anybody seeing that it does. */
public final class HiddenText extends Rewriting {
    private final Cascade cascade;

    private HiddenText(Cascade cascade) { this.cascade = cascade; }

    /** The very document where nothing is hidden. */
    public static Document without(Document document) { return new HiddenText(Cascade.of(document)).document(document); }

    @Override protected Paragraph paragraph(Paragraph told) {
        Paragraph paragraph = super.paragraph(told);
        List<Inline> seen = paragraph.inlines().stream()
                .filter(inline -> inline.length() == 0 || !cascade.text(told, inline.look()).is(TextProperty.HIDDEN)).toList();
        return seen.size() == paragraph.inlines().size() ? paragraph : paragraph.withInlines(seen);
    }
}
