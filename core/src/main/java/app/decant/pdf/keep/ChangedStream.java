package app.decant.pdf.keep;

import app.decant.font.Face;
import app.decant.font.Shaped;
import app.decant.page.Rewritten;
import app.decant.pdf.font.EmbeddedFace;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.StreamOperators;
import app.decant.words.Message;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;

/**
 * A content stream in which operators that show text are written anew and all other bytes stay: a page's own, or that of a form which it calls. A form is
 * changed in a copy for that one call, so that whoever else uses it has it as it was.
 */
final class ChangedStream {
    private static final Set<String> SHOWING = Set.of("Tj", "TJ", "'", "\"");

    private final byte[] content;
    private final List<StreamOperators.Found> operators;
    private final COSDictionary resources;
    private final String original;
    private final Map<Integer, TextRewriting> rewritten = new TreeMap<>();
    private final Map<Integer, String> instead = new TreeMap<>();
    private final Map<Integer, String> before = new TreeMap<>();
    private final Map<Integer, String> after = new TreeMap<>();
    private final Map<Integer, ChangedStream> called = new TreeMap<>();
    private final Map<Face, AddedFont> fonts = new LinkedHashMap<>();
    private final List<Rewritten.Form> forms = new ArrayList<>();
    private final Map<GivenLines.FontAddress, String> lent = new LinkedHashMap<>();
    private final Map<COSObjectKey, String> pictures = new LinkedHashMap<>();
    /** What each operator of it shows, of the marks that were asked for last. */
    private final Map<Integer, List<ShownGlyph>> shown = new HashMap<>();
    private List<ShownGlyph> shownOf;

    /** A font that is put beside those the stream has. */
    private static final class AddedFont {
        final String name;
        final EmbeddedFace face;
        final List<Rewritten.Letter> letters = new ArrayList<>();

        AddedFont(String name, Face face) {
            this.name = name;
            this.face = new EmbeddedFace(face);
        }
    }

    private ChangedStream(byte[] content, COSDictionary resources, String original) throws IOException {
        this.content = content;
        this.operators = StreamOperators.of(content);
        this.resources = resources == null ? new COSDictionary() : resources;
        this.original = original;
    }

    static ChangedStream of(InputStream page, COSDictionary resources) throws IOException { return new ChangedStream(page.readAllBytes(), resources, ""); }

    /** The stream that shows a glyph. */
    ChangedStream of(ShownGlyph glyph) throws IOException, PageRewriting.Refused { return of(glyph.path()); }

    /** The stream that such calls lead to, from this one down. */
    ChangedStream of(List<Integer> path) throws IOException, PageRewriting.Refused {
        ChangedStream at = this;
        for (int call : path) at = at.calledBy(call);
        return at;
    }

    /** All operators, as they are. */
    List<StreamOperators.Found> operators() { return operators; }

    /** Operators put in before one that stays; several times, each before what was put in first. */
    void putBefore(int operator, String operators) { before.merge(operator, operators, (old, one) -> one + old); }

    /** An operator that paints a path paints nothing (8.5.3.1): its path still clips, if it did. */
    void unpaint(int operator) { instead.put(operator, "\nn"); }

    /** Other operators in the place of one. */
    void putInstead(int operator, String operators) { instead.put(operator, operators); }

    /** Likewise after one. */
    void putAfter(int operator, String operators) { after.merge(operator, operators, (old, one) -> old + one); }

    private ChangedStream calledBy(int call) throws IOException, PageRewriting.Refused {
        ChangedStream known = called.get(call);
        if (known != null) return known;
        StreamOperators.Found operator = call < operators.size() ? operators.get(call) : null;
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        if (operator == null || !operator.name().equals("Do") || objects == null || !(operator.operands().get(0) instanceof COSName name)
                || !(objects.getDictionaryObject(name) instanceof COSStream form))
            throw new PageRewriting.Refused(Message.of("keep.its-text-stands-in-a-form"));
        // Its tags name the form itself (table 357), which a copy is not.
        if (form.containsKey(COSName.getPDFName("StructParents"))) throw new PageRewriting.Refused(Message.of("keep.its-text-stands-in-a-form-2"));
        try (InputStream in = form.createInputStream()) {
            COSDictionary own = form.getCOSDictionary(COSName.RESOURCES);
            ChangedStream made = new ChangedStream(in.readAllBytes(), own == null ? resources : own, name.getName());
            called.put(call, made);
            return made;
        }
    }

    /** The operator that shows a glyph. */
    StreamOperators.Found operator(ShownGlyph glyph) throws PageRewriting.Refused {
        StreamOperators.Found found = glyph.operator() < operators.size() ? operators.get(glyph.operator()) : null;
        if (found == null || !SHOWING.contains(found.name())) throw new PageRewriting.Refused(Message.of("keep.its-text-is-not-where-it-seems"));
        return found;
    }

    /** The operator that shows a glyph, to be written anew. */
    TextRewriting rewriting(ShownGlyph glyph, List<ShownGlyph> all) throws PageRewriting.Refused {
        TextRewriting known = rewritten.get(glyph.operator());
        if (known != null) return known;
        TextRewriting made = new TextRewriting(operator(glyph), glyph);
        if (shownOf != all) {
            shownOf = all;
            shown.clear();
            for (ShownGlyph one : all) if (glyph.path().equals(one.path())) shown.computeIfAbsent(one.operator(), key -> new ArrayList<>()).add(one);
        }
        shown.getOrDefault(glyph.operator(), List.of()).forEach(made::shows);
        rewritten.put(glyph.operator(), made);
        return made;
    }

    /** What {@code Tf} takes to go back to the font of a glyph; null where the font has no name here, as one that a graphics state sets (table 57). */
    String named(ShownGlyph glyph) { return named(glyph, glyph.size()); }

    /** The same in another size, in unscaled units of text space. */
    String named(ShownGlyph glyph, double size) {
        COSDictionary some = resources.getCOSDictionary(COSName.FONT);
        if (some != null)
            for (COSName name : some.keySet()) if (some.getDictionaryObject(name) == glyph.font().getCOSObject()) return operands(name.getName(), size);
        return null;
    }

    /** The operators that set the colour a glyph is filled with (8.6.8); null where it is that of whoever calls the stream. */
    String colour(ShownGlyph glyph) { return colour(glyph.operator()); }

    /** The same for what another operator would fill. */
    String colour(int operator) {
        List<String> saved = new ArrayList<>();
        String space = "";
        String colour = original.isEmpty() ? "0 g" : null;
        for (StreamOperators.Found one : operators.subList(0, operator)) {
            switch (one.name()) {
                case "q" -> saved.addAll(Arrays.asList(space, colour));
                case "Q" -> {
                    if (saved.isEmpty()) continue;
                    colour = saved.remove(saved.size() - 1);
                    space = saved.remove(saved.size() - 1);
                }
                case "g", "rg", "k" -> colour = written(one);
                case "cs" -> colour = space = written(one);
                case "sc", "scn" -> colour = space + " " + written(one);
                default -> { }
            }
        }
        return colour;
    }

    private String written(StreamOperators.Found one) { return new String(content, one.from(), one.to() - one.from(), StandardCharsets.ISO_8859_1).strip(); }

    private static String operands(String name, double size) { return named(name) + " " + TextRewriting.number(size); }

    private static String named(String name) {
        StringBuilder escaped = new StringBuilder("/");
        // Names are written with their odd signs as numbers (7.3.5).
        for (byte one : name.getBytes(StandardCharsets.UTF_8)) {
            boolean plain = one > 32 && one < 127 && "()<>[]{}/%#".indexOf(one) < 0;
            escaped.append(plain ? String.valueOf((char) one) : String.format("#%02X", one & 255));
        }
        return escaped.toString();
    }

    /** A text in another face and size, with the spacing of a glyph it stands for, its widths told beside the size of that; null where that can't be. */
    List<TextRewriting.Insert> inserts(String text, Face face, ShownGlyph like, double size) {
        AddedFont font = fonts.get(face);
        if (font == null) fonts.put(face, font = new AddedFont("Added" + (fonts.size() + 1), face));
        Shaped shaped = face.shape(text, false, false, false);
        List<TextRewriting.Insert> inserts = new ArrayList<>();
        for (int i = 0; i < shaped.glyphs().length; i++) {
            int from = shaped.clusters()[i];
            int to = i + 1 < shaped.glyphs().length ? shaped.clusters()[i + 1] : text.length();
            int glyph = shaped.glyphs()[i];
            if (to <= from || glyph == 0) return null;
            String letter = text.substring(from, to);
            int code = font.face.code(glyph, letter);
            if (code < 0) return null;
            font.letters.add(new Rewritten.Letter(glyph, letter));
            double advance = font.face.width(glyph) + 1000 * like.spacing() / like.size();
            byte[] bytes = {(byte) (code >> 8), (byte) code};
            inserts.add(new TextRewriting.Insert(bytes, advance, operands(free(COSName.FONT, font.name), size), letter.length()));
        }
        return inserts;
    }

    /** Where the font of a mark stands in the file; null where it has no place of its own. */
    GivenLines.FontAddress address(ShownGlyph mark) {
        COSDictionary some = resources.getCOSDictionary(COSName.FONT);
        if (some == null) return null;
        for (COSName name : some.keySet())
            if (some.getDictionaryObject(name) == mark.font().getCOSObject() && some.getItem(name) instanceof COSObject object && object.getKey() != null)
                return new GivenLines.FontAddress(object.getKey().getNumber(), object.getKey().getGeneration());
        return null;
    }

    /** A font of another page, by the name it has here. */
    String lent(GivenLines.FontAddress font) {
        String known = lent.get(font);
        if (known == null) lent.put(font, known = free(COSName.FONT, "Lent" + (lent.size() + 1)));
        return named(known);
    }

    /** A picture of another page, by the name it has here. */
    String lent(COSObjectKey picture) {
        String known = pictures.get(picture);
        if (known == null) pictures.put(picture, known = free(COSName.XOBJECT, "Shown" + (pictures.size() + 1)));
        return named(known);
    }

    /** The picture that one of its operators shows, which any page can have; null for any other. */
    COSObjectKey picture(int operator) { return SharedPicture.of(operators, resources.getCOSDictionary(COSName.XOBJECT), operator); }

    /** What the stream calls besides, once it is made. */
    Rewritten.Parts parts() {
        List<Rewritten.Font> added = fonts.values().stream()
                .map(font -> new Rewritten.Font(free(COSName.FONT, font.name), font.face.face(), font.letters)).toList();
        List<Rewritten.Loan> loans = new ArrayList<>();
        lent.forEach((font, name) -> loans.add(new Rewritten.Loan(Rewritten.Loan.Kind.FONT, name, font.number(), font.generation())));
        pictures.forEach((key, name) -> loans.add(new Rewritten.Loan(Rewritten.Loan.Kind.PICTURE, name, key.getNumber(), key.getGeneration())));
        return new Rewritten.Parts(forms, added, loans);
    }

    /** The stream as it is to be. What is called only to be looked at stays as it is. */
    byte[] made() throws IOException {
        Map<Integer, byte[]> others = new TreeMap<>();
        for (Map.Entry<Integer, TextRewriting> one : rewritten.entrySet()) if (one.getValue().takesOut()) tellNothing(one.getKey());
        for (Map.Entry<Integer, TextRewriting> one : rewritten.entrySet()) others.put(one.getKey(), one.getValue().bytes());
        instead.forEach((operator, other) -> others.put(operator, other.getBytes(StandardCharsets.US_ASCII)));
        for (Map.Entry<Integer, ChangedStream> one : called.entrySet()) {
            if (!one.getValue().isChanged()) continue;
            byte[] bytes = one.getValue().made();
            String name = free(COSName.XOBJECT, "Changed" + (forms.size() + 1));
            forms.add(new Rewritten.Form(name, one.getValue().original, bytes, one.getValue().parts()));
            others.put(one.getKey(), ("\n/" + name + " Do").getBytes(StandardCharsets.US_ASCII));
        }
        Set<Integer> touched = new TreeSet<>(others.keySet());
        touched.addAll(before.keySet());
        touched.addAll(after.keySet());
        ByteArrayOutputStream out = new ByteArrayOutputStream(content.length + 256);
        int at = 0;
        for (int one : touched) {
            StreamOperators.Found operator = operators.get(one);
            out.write(content, at, operator.from() - at);
            out.write(before.getOrDefault(one, "").getBytes(StandardCharsets.US_ASCII));
            if (others.containsKey(one)) out.write(others.get(one));
            else out.write(content, operator.from(), operator.to() - operator.from());
            out.write(after.getOrDefault(one, "").getBytes(StandardCharsets.US_ASCII));
            at = operator.to();
        }
        out.write(content, at, content.length - at);
        return out.toByteArray();
    }

    /** Whether anything in it is content of a structure, or told not to be. */
    boolean isTagged() { return operators.stream().anyMatch(one -> number(one) != GivenLines.Letter.NONE); }

    /** A number that no marked content of the stream has. */
    int freeNumber() { return Math.max(0, operators.stream().mapToInt(this::number).max().orElse(-1) + 1); }

    /** The number of the innermost marked content that a mark stands in and that has one (14.7.5.2), also by those who call its form. */
    int contents(ShownGlyph mark) throws PageRewriting.Refused, IOException {
        List<Integer> path = mark.path();
        int at = mark.operator();
        for (int depth = path.size(); depth >= 0; depth--) {
            int found = of(path.subList(0, depth)).contents(at);
            if (found != GivenLines.Letter.NONE) return found;
            if (depth > 0) at = path.get(depth - 1);
        }
        return GivenLines.Letter.NONE;
    }

    /** The same of an operator. */
    int contents(int operator) {
        List<Integer> open = new ArrayList<>();
        for (StreamOperators.Found one : operators.subList(0, operator)) {
            if (begins(one)) open.add(number(one));
            else if (one.name().equals("EMC") && !open.isEmpty()) open.remove(open.size() - 1);
        }
        for (int i = open.size() - 1; i >= 0; i--) if (open.get(i) != GivenLines.Letter.NONE) return open.get(i);
        return GivenLines.Letter.NONE;
    }

    /** What an operator stands within is told in no other words any more than those that it shows (14.9.4). */
    void tellNothing(int operator) {
        List<Integer> open = new ArrayList<>();
        for (int i = 0; i < operator; i++) {
            if (begins(operators.get(i))) open.add(i);
            else if (operators.get(i).name().equals("EMC") && !open.isEmpty()) open.remove(open.size() - 1);
        }
        for (int one : open) {
            COSDictionary told = properties(operators.get(one));
            if (told != null && told.containsKey(COSName.ACTUAL_TEXT)) putInstead(one, "\n" + named(((COSName) operators.get(one).operands().get(0)).getName())
                    + " BMC");
        }
    }

    static boolean begins(StreamOperators.Found one) { return one.name().equals("BDC") || one.name().equals("BMC"); }

    /** The number of a marked content that an operator begins. */
    private int number(StreamOperators.Found one) {
        if (!begins(one) || one.operands().isEmpty()) return GivenLines.Letter.NONE;
        if (one.operands().get(0) instanceof COSName tag && tag.getName().equals("Artifact")) return GivenLines.Letter.ARTIFACT;
        COSDictionary told = properties(one);
        return told != null ? told.getInt(COSName.MCID, GivenLines.Letter.NONE) : GivenLines.Letter.NONE;
    }

    /** What is said of a marked content: there, or among the resources by name (14.6.2). */
    private COSDictionary properties(StreamOperators.Found one) {
        COSBase properties = one.operands().size() > 1 ? one.operands().get(1) : null;
        if (properties instanceof COSName name) {
            COSDictionary some = resources.getCOSDictionary(COSName.PROPERTIES);
            properties = some == null ? null : some.getDictionaryObject(name);
        }
        return properties instanceof COSDictionary told ? told : null;
    }

    /**
     * Puts in what stands by itself, before the text that an operator is of: in its layers, and before what it is tagged as.
     *
     * @throws PageRewriting.Refused where other coordinates hold there
     */
    void putBeside(int operator, String block) throws PageRewriting.Refused {
        int at = beside(operator);
        if (at < 0) throw new PageRewriting.NoRoom(Message.of("keep.its-last-lines-cannot-go-over"));
        putBefore(at, block);
    }

    /** Whether something can be put in so. */
    boolean takesBeside(int operator) { return beside(operator) >= 0; }

    /** The operator before which it goes; -1 where other coordinates hold there. */
    private int beside(int operator) {
        int text = operator;
        while (text >= 0 && !operators.get(text).name().equals("BT")) text--;
        List<Integer> open = new ArrayList<>();
        for (int i = 0; i < text; i++) {
            if (begins(operators.get(i))) open.add(i);
            else if (operators.get(i).name().equals("EMC") && !open.isEmpty()) open.remove(open.size() - 1);
        }
        int at = open.stream().filter(one -> !isLayer(operators.get(one))).findFirst().orElse(text);
        List<Boolean> moved = new ArrayList<>(List.of(false));
        for (int i = Math.max(0, at); i < text && !moved.isEmpty(); i++) {
            switch (operators.get(i).name()) {
                case "q" -> moved.add(moved.get(moved.size() - 1));
                case "Q" -> moved.remove(moved.size() - 1);
                case "cm" -> moved.set(moved.size() - 1, true);
                default -> { }
            }
        }
        return moved.isEmpty() || moved.get(moved.size() - 1) ? -1 : at;
    }

    /** Whether what an operator begins is seen or not as somebody switches it (8.11.3.2). */
    static boolean isLayer(StreamOperators.Found one) {
        return !one.operands().isEmpty() && one.operands().get(0) instanceof COSName tag && tag.getName().equals("OC");
    }

    private boolean isChanged() {
        boolean own = !rewritten.isEmpty() || !instead.isEmpty() || !before.isEmpty() || !after.isEmpty();
        return own || called.values().stream().anyMatch(ChangedStream::isChanged);
    }

    /** A name that nothing of a kind has yet among the resources. */
    private String free(COSName kind, String wished) {
        COSDictionary taken = resources.getCOSDictionary(kind);
        String name = wished;
        while (taken != null && taken.containsKey(COSName.getPDFName(name))) name += "x";
        return name;
    }
}
