package app.decant.pdf.keep;

import app.decant.pdf.read.StreamOperators.Found;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.cos.COSStream;

/** Pictures that a page shows as they are, with nothing else in force that tells how: another page can show them in the same way (ISO 32000-2, 8.9.5). */
final class SharedPicture {
    private SharedPicture() { }

    /**
     * The picture that an operator shows.
     *
     * @param objects what the stream may call by name; null for nothing
     * @return null where it shows none that is an object of its own, where tags or layers tell of it by itself, or the graphics state or a clip that is no
     *         rectangle tells how it is painted
     */
    static COSObjectKey of(List<Found> operators, COSDictionary objects, int operator) {
        Found found = operators.get(operator);
        boolean called = found.name().equals("Do") && objects != null && !found.operands().isEmpty() && found.operands().get(0) instanceof COSName;
        if (!called || !(objects.getItem((COSName) found.operands().get(0)) instanceof COSObject object) || object.getKey() == null) return null;
        boolean plain = object.getObject() instanceof COSStream image && COSName.IMAGE.equals(image.getCOSName(COSName.SUBTYPE))
                && !image.containsKey(COSName.getPDFName("StructParent")) && !image.getBoolean(COSName.IMAGE_MASK, false);
        return plain && isPlain(operators.subList(0, operator)) ? object.getKey() : null;
    }

    private static boolean isPlain(List<Found> before) {
        Deque<Boolean> states = new ArrayDeque<>(List.of(true));
        List<Boolean> open = new ArrayList<>();
        for (int i = 0; i < before.size(); i++) {
            Found one = before.get(i);
            switch (one.name()) {
                case "q" -> states.push(states.getFirst());
                case "Q" -> {
                    if (states.size() > 1) states.pop();
                }
                case "gs" -> set(states);
                case "W", "W*" -> {
                    boolean rectangle = i > 0 && before.get(i - 1).name().equals("re") && (i < 2 || !isPath(before.get(i - 2)));
                    if (!rectangle) set(states);
                }
                case "EMC" -> {
                    if (!open.isEmpty()) open.remove(open.size() - 1);
                }
                default -> {
                    if (ChangedStream.begins(one)) open.add(ChangedStream.isLayer(one));
                }
            }
        }
        return states.getFirst() && !open.contains(true);
    }

    private static void set(Deque<Boolean> states) {
        states.pop();
        states.push(false);
    }

    private static boolean isPath(Found one) { return List.of("m", "l", "c", "v", "y", "h", "re").contains(one.name()); }
}
