package app.decant.pdf.check;

import app.decant.pdf.read.StreamOperators;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * Whether two streams paint the same, whatever they tell of structure (ISO 32000-2, 14.6): operator by operator, text by its codes and the moves between
 * them, forms by what they paint.
 */
final class SamePainting {
    private static final Set<String> TELLING = Set.of("BMC", "BDC", "EMC", "MP", "DP");
    private static final int DEEPEST = 24;

    private SamePainting() { }

    static boolean of(PDPage before, PDPage after) throws IOException {
        return same(content(before), resources(before), content(after), resources(after), 0);
    }

    private static byte[] content(PDPage page) throws IOException {
        try (InputStream in = page.getContents()) {
            return in == null ? new byte[0] : in.readAllBytes();
        }
    }

    private static COSDictionary resources(PDPage page) { return page.getResources() == null ? new COSDictionary() : page.getResources().getCOSObject(); }

    private static boolean same(byte[] before, COSDictionary had, byte[] after, COSDictionary has, int depth) throws IOException {
        List<Object> first = steps(before, had);
        List<Object> second = steps(after, has);
        if (first.size() != second.size() || depth > DEEPEST) return false;
        for (int i = 0; i < first.size(); i++) {
            if (first.get(i) instanceof COSStream form && second.get(i) instanceof COSStream copy) {
                COSDictionary own = form.getCOSDictionary(COSName.RESOURCES);
                COSDictionary copied = copy.getCOSDictionary(COSName.RESOURCES);
                if (form == copy) continue;
                boolean bytes = SameObjects.sameBytes(form, copy, true);
                if (!bytes && !same(bytes(form), own == null ? had : own, bytes(copy), copied == null ? has : copied, depth + 1)) return false;
            } else if (!first.get(i).equals(second.get(i))) {
                return false;
            }
        }
        return true;
    }

    private static byte[] bytes(COSStream stream) throws IOException {
        try (InputStream in = stream.createInputStream()) {
            return in.readAllBytes();
        }
    }

    /** What is done, in order: words for operators and their operands, and streams for forms. */
    private static List<Object> steps(byte[] content, COSDictionary resources) throws IOException {
        List<Object> steps = new ArrayList<>();
        for (StreamOperators.Found found : StreamOperators.of(content)) {
            List<COSBase> operands = found.operands();
            if (TELLING.contains(found.name())) continue;
            // What lacks something to work on is nothing but its words.
            boolean whole = operands.size() >= (found.name().equals("\"") ? 3 : found.name().equals("Do") ? 1 : 0);
            switch (whole ? found.name() : "") {
                case "Tj", "TJ" -> show(operands, steps);
                case "'" -> {
                    steps.add("T*");
                    show(operands, steps);
                }
                case "\"" -> {
                    steps.add(word(operands.get(0)) + " Tw");
                    steps.add(word(operands.get(1)) + " Tc");
                    steps.add("T*");
                    show(operands, steps);
                }
                case "Do" -> {
                    COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
                    COSBase object = objects == null || !(operands.get(0) instanceof COSName name) ? null : objects.getDictionaryObject(name);
                    boolean form = object instanceof COSStream stream && COSName.FORM.equals(stream.getCOSName(COSName.SUBTYPE));
                    steps.add(form ? object : word(operands.get(0)) + " Do");
                }
                default -> {
                    StringBuilder words = new StringBuilder();
                    for (COSBase operand : operands) words.append(word(operand)).append(' ');
                    steps.add(words.append(found.name()).toString());
                }
            }
        }
        return steps;
    }

    private static void show(List<COSBase> operands, List<Object> steps) {
        COSBase last = operands.isEmpty() ? null : operands.get(operands.size() - 1);
        if (last instanceof COSArray several) several.forEach(one -> one(one, steps));
        else if (last != null) one(last, steps);
    }

    private static void one(COSBase shown, List<Object> steps) {
        if (shown instanceof COSString string) for (byte code : string.getBytes()) steps.add(code);
        else steps.add(word(shown));
    }

    private static String word(COSBase told) {
        if (told instanceof COSNumber number) return String.valueOf(number.floatValue());
        if (told instanceof COSString string) return string.toHexString();
        if (told instanceof COSName name) return "/" + name.getName();
        if (told instanceof COSArray several) {
            StringBuilder words = new StringBuilder("[");
            several.forEach(one -> words.append(word(one)).append(' '));
            return words.append(']').toString();
        }
        return String.valueOf(told);
    }
}
