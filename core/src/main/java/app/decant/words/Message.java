package app.decant.words;

import java.util.ArrayList;
import java.util.List;

/**
 * Something for the person at the desk: which sentence it is, and what fills it. It is put into words where it is shown, by a bundle that holds whole
 * sentences, so that nothing is put together in the order of one language.
 *
 * @param key    of the sentence in {@code sentences.properties}
 * @param values numbers, booleans as words, texts, and other messages
 */
public record Message(String key, List<Object> values) {
    private static final Sentences SENTENCES = new Sentences("app.decant.words.sentences");
    /** What was put into words elsewhere. */
    private static final String SAID = "said";

    public Message {
        if (!SENTENCES.has(key)) throw new IllegalArgumentException("There is no sentence " + key);
        values = List.copyOf(values);
    }

    /** Whether there is a sentence of this key. */
    public static boolean is(String key) { return SENTENCES.has(key); }

    /** Values that are neither numbers nor messages go in as their text. */
    public static Message of(String key, Object... values) {
        List<Object> plain = new ArrayList<>(values.length);
        for (Object value : values) plain.add(value instanceof Number || value instanceof Message ? value : String.valueOf(value));
        return new Message(key, plain);
    }

    /** Words that an interface, or a library, has put together itself. */
    public static Message said(String words) { return new Message(SAID, List.of(words)); }

    /** The sentence in the language that is spoken here. */
    @Override public String toString() {
        return SENTENCES.say(key, values.stream().map(value -> value instanceof Message ? value.toString() : value).toArray());
    }

    /** These one after the other, parted by what parts things in a list. */
    public static Message list(List<?> parts) {
        Message all = null;
        for (Object part : parts) all = all == null ? of(SAID, part) : of("list", all, part);
        return all == null ? said("") : all;
    }
}
