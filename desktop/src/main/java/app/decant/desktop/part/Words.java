package app.decant.desktop.part;

import app.decant.words.Sentences;

/** All words of the interface, from one bundle. */
public final class Words {
    private static final Sentences SENTENCES = new Sentences("app.decant.desktop.words");

    private Words() { }

    /** The words of a key, with {@code {0}}, {@code {1}} filled in; how many there are may choose among them (ICU message patterns). */
    public static String of(String key, Object... values) { return SENTENCES.say(key, values); }
}
