package app.decant.pdf.form;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * One field of a PDF's form.
 *
 * @param name    its full name (ISO 32000-2, 12.7.4.2)
 * @param label   what people are told that it is; its name where the file says nothing else
 * @param places  where it stands: several where one field shows on more pages, or is a choice among circles
 * @param choices that it offers; empty for free text
 * @param value   what is filled in; several choices one a line
 * @param lines   whether it takes more than one line
 * @param open    whether something else than the choices may be written
 * @param several whether more than one choice may be taken
 * @param fixed   whether its maker lets nobody fill it in
 * @param most    letters it takes; 0 where that is not limited
 */
public record FileField(String name, String label, Kind kind, List<Place> places, List<Choice> choices, String value, boolean lines, boolean open,
        boolean several, boolean fixed, int most) {
    /** What a box says that is not ticked (12.7.5.2.3). */
    public static final String OFF = "Off";
    private static final Set<String> YES = Set.of("yes", "on", "true", "x", "1");
    private static final Set<String> NO = Set.of("no", "off", "false", "", "0");

    public FileField {
        places = List.copyOf(places);
        choices = List.copyOf(choices);
    }

    /** Words, a box to tick, one circle of several, an entry of a list. */
    public enum Kind { TEXT, TICK, CIRCLES, LIST }

    /**
     * A place on a page, in points from the top left of the page as it is read.
     *
     * @param page  its index
     * @param state of a box or a circle: what the field says when it is set; null for others
     */
    public record Place(int page, double left, double top, double width, double height, String state) {
        /** The same on a page of this size, as it is read, that is turned clockwise further. */
        public Place turned(int turn, double pageWidth, double pageHeight) {
            return switch (turn) {
                case 90 -> new Place(page, pageWidth - top - height, left, height, width, state);
                case 180 -> new Place(page, pageWidth - left - width, pageHeight - top - height, width, height, state);
                case 270 -> new Place(page, top, pageHeight - left - width, height, width, state);
                default -> this;
            };
        }

        public boolean holds(double x, double y) { return x >= left && y >= top && x <= left + width && y <= top + height; }
    }

    /** An entry of a list: what the field says, and what people read. */
    public record Choice(String value, String words) { }

    /** The words of what the field says, or would say. */
    public String words(String said) {
        if (choices.isEmpty()) return said;
        List<String> words = new ArrayList<>();
        for (String one : several ? said.split("\n", -1) : new String[] {said})
            words.add(choices.stream().filter(choice -> choice.value.equals(one)).map(Choice::words).findFirst().orElse(one));
        return String.join("\n", words);
    }

    /**
     * What the field is to say for what somebody wishes.
     *
     * @throws DecantException ({@code WRONG_CALL}) where it takes no such thing
     */
    public String said(String wish) {
        if (fixed) throw wrong(Message.of("form.fixed", label));
        String plain = wish.replace("\r\n", "\n").replace('\r', '\n');
        return switch (kind) {
            case TEXT -> text(plain);
            case TICK -> tick(plain.strip());
            case CIRCLES, LIST -> several ? several(plain) : chosen(plain.strip());
        };
    }

    private String text(String wish) {
        String text = lines ? wish : wish.replace('\n', ' ');
        if (most > 0 && text.codePointCount(0, text.length()) > most)
            throw wrong(Message.of("form.too-long", label, most, text.codePointCount(0, text.length())));
        return text;
    }

    private String tick(String wish) {
        String low = wish.toLowerCase(Locale.ROOT);
        for (Place place : places) if (wish.equals(place.state)) return wish;
        if (YES.contains(low)) return places.stream().map(Place::state).filter(state -> state != null).findFirst().orElse("Yes");
        if (NO.contains(low)) return OFF;
        throw wrong(Message.of("form.no-tick", label, wish));
    }

    private String several(String wish) {
        List<String> all = new ArrayList<>();
        for (String one : wish.split("\n")) if (!one.isBlank()) all.add(chosen(one.strip()));
        return String.join("\n", all);
    }

    private String chosen(String wish) {
        if (wish.isEmpty()) return kind == Kind.CIRCLES ? OFF : "";
        for (Choice choice : choices) if (choice.value.equals(wish)) return wish;
        for (Choice choice : choices) if (choice.words.strip().equalsIgnoreCase(wish)) return choice.value;
        if (open || kind == Kind.CIRCLES && wish.equals(OFF)) return wish;
        throw wrong(Message.of("form.no-choice", label, wish, String.join(", ", choices.stream().map(Choice::words).limit(12).toList())));
    }

    /** Whether it says that a place of it is set: a box ticked, a circle filled. */
    public static boolean isSet(Place place, String said) {
        return place.state != null && Arrays.asList(said.split("\n")).contains(place.state);
    }

    private static DecantException wrong(Message message) { return new DecantException(DecantException.Kind.WRONG_CALL, message); }
}
