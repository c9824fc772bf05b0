package app.decant.pdf.mend;

import app.decant.pdf.mend.Marked.Owner;
import app.decant.pdf.read.StreamOperators;
import app.decant.pdf.structure.PageTags;
import app.decant.pdf.structure.Tag;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.font.PDFont;

/**
 * Puts marks of content into a stream (ISO 32000-2, 14.6): each run of what belongs to one element within a sequence of its own, all else within artifacts.
 * Nothing that is painted changes; only an operator that shows text of several elements is parted. Sequences that were there go, but for layers and for
 * those that say in other words what stands in them.
 */
final class StreamTagging {
    private static final Set<String> SHOWING = Set.of("Tj", "TJ", "'", "\"");
    private static final Set<String> BEGIN_PATH = Set.of("m", "re");
    private static final Set<String> END_PATH = Set.of("S", "s", "f", "F", "f*", "B", "B*", "b", "b*", "n");
    private static final List<COSName> OTHER_WORDS = List.of(COSName.ACTUAL_TEXT, COSName.getPDFName("E"), COSName.LANG, COSName.ALT);

    private final byte[] content;
    private final List<StreamOperators.Found> operators;
    private final COSDictionary resources;
    private final Marked marked;
    private final PageTags tags;
    private final Fonts fonts;
    private final ByteArrayOutputStream out;
    private final Deque<Boolean> stays = new ArrayDeque<>();
    private final List<COSStream> forms = new ArrayList<>();
    private boolean open;
    private Tag current;

    /** Finds the font that an operator shows text in, to part its codes. */
    interface Fonts { PDFont of(int operator); }

    private StreamTagging(byte[] content, COSDictionary resources, Marked marked, PageTags tags, Fonts fonts) throws IOException {
        this.content = content;
        this.operators = StreamOperators.of(content);
        this.resources = resources;
        this.marked = marked;
        this.tags = tags;
        this.fonts = fonts;
        out = new ByteArrayOutputStream(content.length + content.length / 4);
    }

    /**
     * Marks a stream.
     *
     * @param resources of its own, to which copies of forms are added
     * @param fonts     of its operators and of those of the forms it calls
     * @throws IOException where it can't be parsed to its end
     */
    static byte[] of(byte[] content, COSDictionary resources, Marked marked, PageTags tags, FontPlaces fonts) throws IOException {
        return new StreamTagging(content, resources, marked, tags, fonts::of).run(fonts);
    }

    /** The fonts of a stream's operators that show text, and of those of forms. */
    record FontPlaces(Map<Integer, PDFont> own, Map<Integer, FontPlaces> called) {
        PDFont of(int operator) { return own.get(operator); }

        FontPlaces at(List<Integer> path) {
            FontPlaces at = this;
            for (int call : path) at = at.called.computeIfAbsent(call, key -> new FontPlaces(new HashMap<>(), new HashMap<>()));
            return at;
        }
    }

    private byte[] run(FontPlaces places) throws IOException {
        for (int i = 0; i < operators.size(); i++) {
            StreamOperators.Found operator = operators.get(i);
            switch (operator.name()) {
                case "BT", "ET" -> {
                    close();
                    copy(operator);
                }
                case "BMC", "BDC" -> begin(operator);
                case "EMC" -> {
                    if (stays.isEmpty() || stays.pop()) {
                        close();
                        copy(operator);
                    }
                }
                case "MP", "DP" -> { }
                case "Do" -> call(i, operator, places);
                case "sh", "BI" -> {
                    belong(marked.painted.getOrDefault(i, Owner.ORNAMENT));
                    copy(operator);
                }
                default -> {
                    if (SHOWING.contains(operator.name())) {
                        show(i, operator);
                    } else {
                        if (BEGIN_PATH.contains(operator.name()) && !isWithinPath(i)) path(i);
                        copy(operator);
                    }
                }
            }
        }
        close();
        return out.toByteArray();
    }

    private void copy(StreamOperators.Found operator) { out.write(content, operator.from(), operator.to() - operator.from()); }

    private void write(String text) { out.writeBytes(text.getBytes(StandardCharsets.US_ASCII)); }

    private void close() {
        if (open) write("\nEMC");
        open = false;
    }

    private void belong(Owner owner) {
        if (open && (owner.blank() || owner.tag() == current)) return;
        close();
        current = owner.tag();
        if (current == null) write("\n/Artifact BMC");
        else write("\n/" + current.role() + " <</MCID " + tags.mark(current, owner.rank()) + ">> BDC");
        open = true;
    }

    /** A path is begun by one operator and painted by another; nothing may be marked between them. */
    private boolean isWithinPath(int i) {
        String before = i == 0 ? "" : operators.get(i - 1).name();
        return Set.of("m", "l", "c", "v", "y", "h", "re", "W", "W*").contains(before);
    }

    private void path(int from) {
        int end = from;
        while (end < operators.size() - 1 && !END_PATH.contains(operators.get(end).name())) end++;
        // What only clips is not seen.
        if (operators.get(end).name().equals("n")) return;
        belong(marked.painted.getOrDefault(end, Owner.ORNAMENT));
    }

    private void begin(StreamOperators.Found operator) {
        COSBase tag = operator.operands().isEmpty() ? null : operator.operands().get(0);
        COSBase told = operator.operands().size() < 2 ? null : operator.operands().get(1);
        COSDictionary all = resources.getCOSDictionary(COSName.PROPERTIES);
        COSDictionary properties = told instanceof COSDictionary own ? own : told instanceof COSName name && all != null ? all.getCOSDictionary(name) : null;
        boolean layer = COSName.OC.equals(tag);
        boolean words = properties != null && !properties.containsKey(COSName.MCID) && OTHER_WORDS.stream().anyMatch(properties::containsKey);
        stays.push(layer || words);
        if (!layer && !words) return;
        close();
        copy(operator);
    }

    private void call(int i, StreamOperators.Found operator, FontPlaces places) throws IOException {
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        COSBase first = operator.operands().isEmpty() ? null : operator.operands().get(0);
        COSBase called = objects == null || !(first instanceof COSName name) ? null : objects.getDictionaryObject(name);
        Marked inside = marked.called.get(i);
        boolean form = called instanceof COSStream stream && COSName.FORM.equals(stream.getCOSName(COSName.SUBTYPE));
        if (!form || inside == null || !inside.belongs()) {
            belong(marked.painted.getOrDefault(i, Owner.ORNAMENT));
            copy(operator);
            return;
        }
        close();
        COSStream copy = new COSStream();
        copy.addAll((COSStream) called);
        for (COSName entry : List.of(COSName.FILTER, COSName.DECODE_PARMS, COSName.LENGTH)) copy.removeItem(entry);
        COSDictionary own = copy.getCOSDictionary(COSName.RESOURCES);
        COSDictionary copied = copied(own == null ? resources : own);
        copy.setItem(COSName.RESOURCES, copied);
        byte[] before;
        try (InputStream in = ((COSStream) called).createInputStream()) {
            before = in.readAllBytes();
        }
        byte[] made = of(before, copied, inside, tags.of(copy), places.called().getOrDefault(i, new FontPlaces(Map.of(), Map.of())));
        try (OutputStream packed = copy.createOutputStream(COSName.FLATE_DECODE)) {
            packed.write(made);
        }
        String named = "Tagged" + (forms.size() + 1);
        while (objects.containsKey(COSName.getPDFName(named))) named += "x";
        forms.add(copy);
        objects.setItem(COSName.getPDFName(named), copy);
        write("\n/" + named + " Do");
    }

    /** Resources to which forms can be added without anyone else having them. */
    static COSDictionary copied(COSDictionary shared) {
        COSDictionary copy = new COSDictionary(shared);
        COSDictionary objects = shared.getCOSDictionary(COSName.XOBJECT);
        if (objects != null) copy.setItem(COSName.XOBJECT, new COSDictionary(objects));
        return copy;
    }

    private void show(int i, StreamOperators.Found operator) throws IOException {
        List<Map.Entry<Integer, Owner>> parts = marked.parts(i);
        PDFont font = fonts.of(i);
        if (parts.size() < 2 || font == null) {
            belong(parts.isEmpty() ? Owner.BLANK : parts.get(0).getValue());
            copy(operator);
            return;
        }
        List<COSBase> operands = operator.operands();
        COSBase last = operands.get(operands.size() - 1);
        COSArray shown = last instanceof COSArray several ? several : new COSArray(List.of(last));
        // A line that begins anew says so first (9.4.3).
        if (operator.name().equals("\"")) write("\n" + number(operands.get(0)) + " Tw " + number(operands.get(1)) + " Tc T*");
        else if (operator.name().equals("'")) write("\nT*");
        part(shown, parts, font);
    }

    private static String number(COSBase told) { return told instanceof COSNumber number ? String.valueOf(number.floatValue()) : "0"; }

    /** Shows the codes of an array part by part; numbers go with the code before them. */
    private void part(COSArray shown, List<Map.Entry<Integer, Owner>> parts, PDFont font) throws IOException {
        StringBuilder array = new StringBuilder();
        int code = 0;
        int next = 0;
        for (COSBase one : shown) {
            if (!(one instanceof COSString string)) {
                array.append(' ').append(number(one));
                continue;
            }
            ByteArrayInputStream in = new ByteArrayInputStream(string.getBytes());
            StringBuilder codes = new StringBuilder();
            while (in.available() > 0) {
                if (next < parts.size() && parts.get(next).getKey() <= code) {
                    flush(array, codes);
                    belong(parts.get(next++).getValue());
                }
                int before = in.available();
                font.readCode(in);
                int from = string.getBytes().length - before;
                for (int i = from; i < string.getBytes().length - in.available(); i++) codes.append(String.format("%02X", string.getBytes()[i]));
                code++;
            }
            if (codes.length() > 0) array.append('<').append(codes).append('>');
        }
        flush(array, new StringBuilder());
    }

    private void flush(StringBuilder array, StringBuilder codes) {
        if (codes.length() > 0) array.append('<').append(codes).append('>');
        codes.setLength(0);
        if (array.length() > 0) write("\n[" + array + "] TJ");
        array.setLength(0);
    }
}
