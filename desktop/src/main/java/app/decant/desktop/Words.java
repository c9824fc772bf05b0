package app.decant.desktop;

import java.text.MessageFormat;
import java.util.Locale;
import java.util.ResourceBundle;

/** All words of the interface, from one bundle. */
final class Words {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("app.decant.desktop.words", Locale.ENGLISH);

    private Words() { }

    /** The words of a key, with {@code {0}}, {@code {1}} filled in. */
    static String of(String key, Object... values) {
        String pattern = BUNDLE.getString(key);
        return values.length == 0 ? pattern : new MessageFormat(pattern, Locale.ENGLISH).format(values);
    }

    /** One thing or several: the key's {@code .one} or {@code .many} words. */
    static String count(String key, int count) { return of(key + (count == 1 ? ".one" : ".many"), count); }
}
