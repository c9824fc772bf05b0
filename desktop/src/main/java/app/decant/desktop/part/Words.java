package app.decant.desktop.part;

import com.ibm.icu.text.MessageFormat;
import java.util.Locale;
import java.util.ResourceBundle;

/** All words of the interface, from one bundle. */
public final class Words {
    private static final ResourceBundle BUNDLE = ResourceBundle.getBundle("app.decant.desktop.words", Locale.ENGLISH);

    private Words() { }

    /** The words of a key, with {@code {0}}, {@code {1}} filled in; how many there are may choose among them (ICU message patterns). */
    public static String of(String key, Object... values) {
        return new MessageFormat(BUNDLE.getString(key), Locale.ENGLISH).format(values);
    }
}
