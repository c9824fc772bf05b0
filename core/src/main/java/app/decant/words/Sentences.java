package app.decant.words;

import com.ibm.icu.text.MessageFormat;
import java.util.Locale;
import java.util.ResourceBundle;

/**
 * The sentences of one part of the program, by key, as ICU message patterns in a bundle of resources. They are English; a file of the same name with the
 * code of a language before its ending is a second language, taken where the machine speaks it.
 */
public final class Sentences {
    private final ResourceBundle bundle;
    private final Locale language;

    /** @param base the name of the bundle, as for {@link ResourceBundle#getBundle(String)} */
    public Sentences(String base) {
        bundle = ResourceBundle.getBundle(base);
        language = bundle.getLocale().equals(Locale.ROOT) ? Locale.ENGLISH : bundle.getLocale();
    }

    public boolean has(String key) { return bundle.containsKey(key); }

    /**
     * The sentence of a key, with {@code {0}}, {@code {1}} filled in; how many there are, or which it is, may choose among wordings.
     *
     * @throws java.util.MissingResourceException if there is none
     */
    public String say(String key, Object... values) { return new MessageFormat(bundle.getString(key), language).format(values); }
}
