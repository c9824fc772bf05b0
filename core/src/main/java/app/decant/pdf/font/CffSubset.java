package app.decant.pdf.font;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.apache.fontbox.cff.CFFCIDFont;
import org.apache.fontbox.cff.CFFFont;
import org.apache.fontbox.cff.CFFType1Font;

/**
 * A compact font (CFF) of some glyphs only, keyed by their numbers in the font it is made from, so that a character code of the PDF is the glyph
 * itself whatever the font's own order was (ISO 32000-1, 9.7.4.2). Shared pieces that are not used stay as empty places, since glyphs call them by
 * number. Written after Adobe Technical Note 5176.
 */
public final class CffSubset {
    private static final byte[] EMPTY_PIECE = {11};
    /** Strings that every compact font knows without holding them. */
    private static final int STANDARD_STRINGS = 391;

    private final CFFFont font;
    private final List<Map<String, Object>> privates;
    private final List<byte[]> programs;
    /** The glyphs kept, by their numbers in the font. */
    private int[] kept;
    private final CffCalls calls;
    private final List<BitSet> usedLocal = new ArrayList<>();
    private final int unitsPerEm;

    private CffSubset(CFFFont font, int unitsPerEm) {
        this.font = font;
        this.unitsPerEm = unitsPerEm;
        privates = font instanceof CFFCIDFont cid ? cid.getPrivDicts() : List.of(((CFFType1Font) font).getPrivateDict());
        programs = font.getCharStringBytes();
        kept = IntStream.range(0, programs.size()).toArray();
        calls = new CffCalls(font.getGlobalSubrIndex().toArray(new byte[0][]));
        privates.forEach(one -> usedLocal.add(new BitSet()));
    }

    /**
     * The glyphs named, and the one for missing characters; all where some are put together of others, which only old fonts do.
     *
     * @return a bare compact font
     */
    public static byte[] of(CFFFont font, int unitsPerEm, Collection<Integer> wanted) {
        CffSubset subset = new CffSubset(font, unitsPerEm);
        subset.keep(wanted);
        return subset.calls.isComposed() ? whole(font, unitsPerEm) : subset.write();
    }

    /** The font with all its glyphs, keyed by their numbers. */
    static byte[] whole(CFFFont font, int unitsPerEm) {
        CffSubset subset = new CffSubset(font, unitsPerEm);
        subset.keepPieces();
        return subset.write();
    }

    private void keep(Collection<Integer> wanted) {
        kept = IntStream.concat(IntStream.of(0), wanted.stream().mapToInt(Integer::intValue)).filter(glyph -> glyph < programs.size()).distinct().sorted()
                .toArray();
        for (int glyph : kept) calls.follow(programs.get(glyph), pieces(home(glyph)), usedLocal.get(home(glyph)));
        if (calls.isUnknown()) keepPieces();
    }

    private void keepPieces() {
        calls.usedGlobal.set(0, font.getGlobalSubrIndex().size());
        for (int i = 0; i < privates.size(); i++) usedLocal.get(i).set(0, pieces(i).length);
    }

    /** Which of the font's parts a glyph belongs to. */
    private int home(int glyph) { return font instanceof CFFCIDFont cid ? Math.min(privates.size() - 1, Math.max(0, cid.getFdSelect().getFDIndex(glyph))) : 0; }

    private byte[][] pieces(int part) { return privates.get(part).get("Subrs") instanceof byte[][] pieces ? pieces : new byte[0][]; }

    private static List<byte[]> used(byte[][] pieces, BitSet used) {
        List<byte[]> result = new ArrayList<>();
        for (int i = 0; i < pieces.length; i++) result.add(used.get(i) ? pieces[i] : EMPTY_PIECE);
        return result;
    }

    private byte[] write() {
        byte[] head = new CffWriting().card8(1).card8(0).card8(4).card8(4)
                .raw(new CffWriting().index(List.of(ascii(font.getName() == null ? "Font" : font.getName()))).bytes()).bytes();
        byte[] strings = new CffWriting().index(List.of(ascii("Adobe"), ascii("Identity"))).bytes();
        byte[] global = new CffWriting().index(used(font.getGlobalSubrIndex().toArray(new byte[0][]), calls.usedGlobal)).bytes();
        byte[] outlines = new CffWriting().index(Arrays.stream(kept).mapToObj(programs::get).toList()).bytes();
        byte[] charset = charset();
        byte[] homes = homes();
        int start = head.length + new CffWriting().index(List.of(top(0, 0, 0, 0))).length() + strings.length + global.length;
        int homesAt = start + charset.length;
        int outlinesAt = homesAt + homes.length;
        int at = outlinesAt + outlines.length;
        List<byte[]> parts = new ArrayList<>();
        List<byte[]> fonts = new ArrayList<>();
        for (int i = 0; i < privates.size(); i++) {
            byte[] hints = hints(privates.get(i), 0);
            boolean calls = pieces(i).length > 0;
            if (calls) hints = hints(privates.get(i), hints(privates.get(i), 1).length);
            fonts.add(part().places(18, hints.length, at).bytes());
            parts.add(hints);
            at += hints.length;
            if (!calls) continue;
            parts.add(new CffWriting().index(used(pieces(i), usedLocal.get(i))).bytes());
            at += parts.get(parts.size() - 1).length;
        }
        CffWriting file = new CffWriting().raw(head).index(List.of(top(start, homesAt, outlinesAt, at))).raw(strings).raw(global).raw(charset).raw(homes)
                .raw(outlines);
        parts.forEach(file::raw);
        return file.index(fonts).bytes();
    }

    /** The font's dictionary (table 9 and 10): always of one length, so that places can be filled in once they are known. */
    private byte[] top(int charset, int homes, int outlines, int fonts) {
        CffWriting top = new CffWriting().operator(0x0C1E, STANDARD_STRINGS, STANDARD_STRINGS + 1, 0).operator(0x0C22, kept[kept.length - 1] + 1);
        if (unitsPerEm != 1000) top.operator(0x0C07, 1.0 / unitsPerEm, 0, 0, 1.0 / unitsPerEm, 0, 0);
        if (font.getTopDict().get("FontBBox") instanceof List<?> box && box.size() == 4) top.operator(5, box.toArray(new Number[0]));
        return top.places(15, charset).places(0x0C25, homes).places(17, outlines).places(0x0C24, fonts).bytes();
    }

    /** Format 2: runs of numbers under which the glyphs after the first are known (clause 13). */
    private byte[] charset() {
        CffWriting out = new CffWriting().card8(2);
        for (int i = 1; i < kept.length; ) {
            int from = i;
            while (++i < kept.length && kept[i] == kept[i - 1] + 1) { }
            out.card16(kept[from]).card16(i - from - 1);
        }
        return out.bytes();
    }

    /** Lengths are scaled once, for the whole font; each part says that it adds nothing. */
    private CffWriting part() { return unitsPerEm == 1000 ? new CffWriting() : new CffWriting().operator(0x0C07, 1, 0, 0, 1, 0, 0); }

    /** Format 3: runs of glyphs that belong to one part (clause 19). */
    private byte[] homes() {
        List<int[]> runs = new ArrayList<>();
        for (int i = 0; i < kept.length; i++) if (runs.isEmpty() || runs.get(runs.size() - 1)[1] != home(kept[i])) runs.add(new int[] {i, home(kept[i])});
        CffWriting out = new CffWriting().card8(3).card16(runs.size());
        for (int[] run : runs) out.card16(run[0]).card8(run[1]);
        return out.card16(kept.length).bytes();
    }

    /** What a part says of its stems (table 23). @param pieces where its shared pieces begin after this dictionary's start; 0 for none */
    private static byte[] hints(Map<String, Object> part, int pieces) {
        CffWriting out = new CffWriting();
        delta(out, 6, part.get("BlueValues"));
        delta(out, 7, part.get("OtherBlues"));
        delta(out, 8, part.get("FamilyBlues"));
        delta(out, 9, part.get("FamilyOtherBlues"));
        number(out, 0x0C09, part.get("BlueScale"));
        number(out, 0x0C0A, part.get("BlueShift"));
        number(out, 0x0C0B, part.get("BlueFuzz"));
        number(out, 10, part.get("StdHW"));
        number(out, 11, part.get("StdVW"));
        delta(out, 0x0C0C, part.get("StemSnapH"));
        delta(out, 0x0C0D, part.get("StemSnapV"));
        if (Boolean.TRUE.equals(part.get("ForceBold"))) out.operator(0x0C0E, 1);
        number(out, 0x0C11, part.get("LanguageGroup"));
        number(out, 0x0C12, part.get("ExpansionFactor"));
        number(out, 20, part.get("defaultWidthX"));
        number(out, 21, part.get("nominalWidthX"));
        return pieces == 0 ? out.bytes() : out.places(19, pieces).bytes();
    }

    private static void number(CffWriting out, int operator, Object value) { if (value instanceof Number number) out.operator(operator, number); }

    private static void delta(CffWriting out, int operator, Object value) {
        if (value instanceof List<?> list && !list.isEmpty()) out.delta(operator, Arrays.asList(list.toArray(new Number[0])));
    }

    private static byte[] ascii(String text) { return text.getBytes(StandardCharsets.US_ASCII); }
}
