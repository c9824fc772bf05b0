package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Section;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** A document's blocks in one row, with the section each belongs to; behind them those of its endnotes, which are the last section's. */
final class Flow {
    private final Document document;
    private final List<Block> blocks = new ArrayList<>();
    private final int[] sectionStart;
    private final int bodySize;
    private final Map<Block, Inline.Note> endnotes = new IdentityHashMap<>();

    Flow(Document document) {
        this.document = document;
        sectionStart = new int[document.sections().size() + 1];
        for (int i = 0; i < document.sections().size(); i++) {
            sectionStart[i] = blocks.size();
            blocks.addAll(Composer.flattened(document.sections().get(i).blocks()));
        }
        bodySize = blocks.size();
        sectionStart[document.sections().size()] = bodySize;
    }

    /** Lets notes stand at the end, one after another. */
    void endWith(List<Inline.Note> notes) {
        for (Inline.Note note : notes) {
            for (Block block : Composer.flattened(note.blocks())) {
                blocks.add(block);
                endnotes.put(block, note);
            }
        }
        sectionStart[document.sections().size()] = blocks.size();
    }

    /** The endnote whose text a block is, or null for one of the body. */
    Inline.Note endnote(int block) { return block < bodySize ? null : endnotes.get(block(block)); }
    /** How many blocks the body has, without endnotes. */
    int bodySize() { return bodySize; }

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
