package app.decant.bench;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.document.Style;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import java.util.Arrays;

/** How soon the page that is looked at is there when a style of some 330 pages changes, and how soon all are. */
public final class Glimpse {
    private static final int TIMES = 60;
    private static final int LOOKED = 150;

    private Glimpse() { }

    public static void main(String[] arguments) {
        for (String style : new String[] {"Heading2", "BodyText"}) measure(style);
    }

    private static void measure(String name) {
        Document book = LongDocuments.pages(300);
        Layout layout = new Layout(FontCatalogue.shipped());
        layout.next(book);
        double[] seen = new double[TIMES];
        double[] all = new double[TIMES];
        for (int i = 0; i < TIMES; i++) {
            int one = i;
            Style style = book.styles().style(name);
            book = book.withStyles(book.styles().with(style.withLook(style.look().with(TextProperty.SIZE, i % 2 == 0 ? 10.5 : 11))));
            long start = System.nanoTime();
            layout.next(book, Progress.SILENT, LOOKED, page -> seen[one] = (System.nanoTime() - start) / 1e6);
            all[i] = (System.nanoTime() - start) / 1e6;
        }
        System.out.printf("%s changed: the page that is looked at %s, all %s%n", name, told(seen), told(all));
    }

    private static String told(double[] times) {
        Arrays.sort(times);
        return String.format("%.1f ms (at most %.1f)", times[TIMES / 2], times[TIMES - 1]);
    }
}
