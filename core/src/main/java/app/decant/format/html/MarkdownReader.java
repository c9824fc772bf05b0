package app.decant.format.html;

import app.decant.document.Progress;
import app.decant.format.Taken;
import java.util.List;
import org.commonmark.Extension;
import org.commonmark.ext.gfm.strikethrough.StrikethroughExtension;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;

/** Reads Markdown (CommonMark, with tables and struck text) by way of the web page it stands for. */
public final class MarkdownReader {
    static final List<Extension> EXTENSIONS = List.of(TablesExtension.create(), StrikethroughExtension.create());

    private MarkdownReader() { }

    public static Taken read(String text, Progress progress) {
        String html = HtmlRenderer.builder().extensions(EXTENSIONS).build().render(Parser.builder().extensions(EXTENSIONS).build().parse(text));
        return HtmlReader.read("<style>td, th { border: 0.75pt solid #a0a0a0; padding: 2pt 5.4pt 2pt 5.4pt; }</style>" + html, progress);
    }
}
