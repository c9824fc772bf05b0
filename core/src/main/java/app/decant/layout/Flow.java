package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Section;
import java.util.ArrayList;
import java.util.List;

/** A document's blocks in one row, with the section each belongs to. */
final class Flow {
    private final Document document;
    private final List<Block> blocks = new ArrayList<>();
    private final int[] sectionStart;

    Flow(Document document) {
        this.document = document;
        sectionStart = new int[document.sections().size() + 1];
        for (int i = 0; i < document.sections().size(); i++) {
            sectionStart[i] = blocks.size();
            blocks.addAll(Composer.flattened(document.sections().get(i).blocks()));
        }
        sectionStart[document.sections().size()] = blocks.size();
    }

    Document document() { return document; }
    List<Block> blocks() { return blocks; }
    int size() { return blocks.size(); }
    Block block(int index) { return index >= 0 && index < blocks.size() ? blocks.get(index) : null; }
    int sectionCount() { return document.sections().size(); }
    Section section(int index) { return document.sections().get(index); }
    int sectionEnd(int section) { return sectionStart[section + 1]; }
    int sectionStart(int section) { return sectionStart[section]; }

    /** The section of a block; past the end the last one. Sections without blocks are passed over. */
    int sectionOf(int block) {
        int section = 0;
        while (section + 1 < sectionCount() && sectionStart[section + 1] <= block) section++;
        return section;
    }
}
