package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.page.Original;
import app.decant.page.Pages;
import app.decant.page.Retold;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.SourceFile;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;

/** Paragraphs that are headings now, or none any more, are that in the structure of their file as well (ISO 32000-2, 14.8.4.3). */
final class RetoldTags {
    private static final Set<String> TEXTS = Set.of("P", "H", "H1", "H2", "H3", "H4", "H5", "H6");

    private final PutInElements elements;
    private final COSArray contents;
    private final PageReader.Addressed read;

    /** @param contents the elements that the marked contents of a page are of */
    private RetoldTags(PutInElements elements, COSArray contents, PageReader.Addressed read) {
        this.elements = elements;
        this.contents = contents;
        this.read = read;
    }

    /**
     * Tells them.
     *
     * @throws IOException where the file can't be read again
     */
    static List<Finding> tell(PDDocument pdf, Pages pages, PdfChoices choices, Progress progress) throws IOException {
        PDStructureTreeRoot root = pdf.getDocumentCatalog().getStructureTreeRoot();
        List<Retold.Role> roles = pages.retold().roles();
        if (roles.isEmpty() || root == null || root.getParentTree() == null) return List.of();
        PutInElements elements = new PutInElements(pdf);
        Original original = pages.original().orElseThrow();
        int left = 0;
        try (SourceFile source = SourceFile.open(original.bytes(), original.name(), original.password())) {
            for (int i = 0; i < choices.pages().size(); i++) {
                int page = choices.pages().get(i);
                List<Retold.Role> here = pages.isOwn(page) && !pages.isAdded(page)
                        ? roles.stream().filter(role -> role.page() == pages.ground(page)).toList() : List.of();
                if (here.isEmpty()) continue;
                PDPage own = pdf.getPage(i);
                COSArray contents = CarriedTags.contents(root.getParentTree(), own);
                RetoldTags tags = contents == null ? null
                        : new RetoldTags(elements, contents, PageReader.addressed(source, pages.ground(page), progress));
                for (Retold.Role role : here) if (tags == null || !tags.tell(role)) left++;
            }
        }
        return left == 0 ? List.of() : List.of(Finding.changed(Message.of("keep.tags-stay", left)));
    }

    private boolean tell(Retold.Role role) {
        Set<COSDictionary> blocks = new HashSet<>();
        List<ShownGlyph> others = new ArrayList<>();
        for (ShownGlyph shown : read.shown()) {
            if (shown.glyph().isSpace()) continue;
            if (!role.marks().contains(shown.glyph().order())) others.add(shown);
            else if (block(shown) == null) return false;
            else blocks.add(block(shown));
        }
        // What is more than the paragraph is not the heading, and what is less would be several.
        boolean whole = blocks.size() == 1 && others.stream().allMatch(shown -> block(shown) == null || !blocks.contains(block(shown)));
        COSDictionary block = whole ? blocks.iterator().next() : null;
        if (block == null || !TEXTS.contains(elements.role(block))) return false;
        if (role.level() == 0 || !elements.role(block).equals("H")) block.setName(COSName.S, role.level() == 0 ? "P" : PutInElements.heading(role.level()));
        return true;
    }

    /** The element of the paragraph that a glyph is of; null where it is of none. */
    private COSDictionary block(ShownGlyph shown) {
        int number = shown.glyph().tag();
        if (!shown.path().isEmpty() || number < 0 || number >= contents.size()) return null;
        return contents.getObject(number) instanceof COSDictionary element ? elements.block(element) : null;
    }
}
