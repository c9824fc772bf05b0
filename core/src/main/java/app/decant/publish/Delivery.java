package app.decant.publish;

import java.nio.file.Path;
import java.util.List;

/**
 * What becomes of finished files besides lying where they were wished.
 *
 * @param mailTo   addresses of a mail they are put into; none for no mail
 * @param mailOnly whether they are taken away again once they are in the mail
 * @param receipt  where a receipt is written, or null
 */
public record Delivery(List<String> mailTo, boolean mailOnly, Path receipt) {
    public static final Delivery NONE = new Delivery(List.of(), false, null);

    public Delivery { mailTo = List.copyOf(mailTo); }
}
