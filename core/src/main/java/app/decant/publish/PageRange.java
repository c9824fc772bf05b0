package app.decant.publish;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * Which pages: {@code all}, {@code odd}, {@code even}, or a list such as {@code 1-3, 7, 12-}. Numbers count from the front, 1 is the first
 * page.
 */
public record PageRange(String text) {
    private static final String PRINTED = "printed ";
    public static final PageRange ALL = new PageRange("all");

    public PageRange {
        text = text == null || text.isBlank() ? "all" : text.trim().toLowerCase(Locale.ROOT);
    }

    /**
     * The indexes of the pages, where the range names them by their printed numbers ({@code printed iv-vi, 3}) as well.
     *
     * @param labels the printed number of each page
     */
    public List<Integer> of(List<String> labels) {
        if (text.equals(PRINTED.trim())) throw wrong(Message.of("publish.printed-wants-numbers-after-it-as-they"));
        if (!text.startsWith(PRINTED)) return of(labels.size());
        Set<Integer> pages = new LinkedHashSet<>();
        for (String part : text.substring(PRINTED.length()).split("[,;]")) {
            String[] ends = part.trim().replace('\u2013', '-').split("\\s*-\\s*", -1);
            if (ends.length > 2 || ends[0].isEmpty() && (ends.length == 1 || ends[1].isEmpty()))
                throw wrong(Message.of("publish.is-not-a-printed-page-number", part.trim()));
            int from = ends[0].isEmpty() ? 0 : labelled(labels, ends[0], 0);
            int to = ends.length == 1 ? from : ends[1].isEmpty() ? labels.size() - 1 : labelled(labels, ends[1], from);
            if (to < from) throw wrong(Message.of("publish.runs-backwards", part.trim()));
            add(pages, from + 1, to + 1, 1);
        }
        return new ArrayList<>(pages);
    }

    /** The first page with a printed number, from a place on. */
    private static int labelled(List<String> labels, String label, int from) {
        for (int i = from; i < labels.size(); i++) if (labels.get(i).equalsIgnoreCase(label)) return i;
        for (int i = 0; i < from; i++) if (labels.get(i).equalsIgnoreCase(label)) return i;
        throw wrong(Message.of("publish.no-page-has-the-number-printed", label));
    }

    /**
     * The indexes of the pages, in the order they are named, each once.
     *
     * @throws DecantException ({@code WRONG_CALL}) where the range makes no sense or leaves the document
     */
    public List<Integer> of(int count) {
        Set<Integer> pages = new LinkedHashSet<>();
        switch (text) {
            case "all" -> add(pages, 1, count, 1);
            case "odd" -> add(pages, 1, count, 2);
            case "even" -> add(pages, 2, count, 2);
            default -> {
                for (String part : text.split("[,;]")) part(part.trim().replace('\u2013', '-'), pages, count);
            }
        }
        if (pages.isEmpty()) throw wrong(Message.of("publish.names-no-page", text));
        return new ArrayList<>(pages);
    }

    private void part(String part, Set<Integer> pages, int count) {
        if (part.matches("\\d{1,6}")) {
            add(pages, number(part, count), number(part, count), 1);
        } else if (part.matches("\\d{1,6}\\s*-\\s*\\d{1,6}")) {
            String[] ends = part.split("-");
            int from = number(ends[0].trim(), count);
            int to = number(ends[1].trim(), count);
            if (from > to) throw wrong(Message.of("publish.runs-backwards-write", part, to, from));
            add(pages, from, to, 1);
        } else if (part.matches("\\d{1,6}\\s*-")) {
            add(pages, number(part.replace("-", "").trim(), count), count, 1);
        } else if (part.matches("-\\s*\\d{1,6}")) {
            add(pages, 1, number(part.replace("-", "").trim(), count), 1);
        } else {
            throw wrong(Message.of("publish.is-not-a-page-or-a-range", part));
        }
    }

    private static int number(String digits, int count) {
        int number = Integer.parseInt(digits);
        if (number < 1 || number > count) throw wrong(Message.of("publish.there-is-no-page-the-document", number, count));
        return number;
    }

    private static DecantException wrong(Message message) { return new DecantException(DecantException.Kind.WRONG_CALL, message); }

    private static void add(Set<Integer> pages, int from, int to, int step) { for (int page = from; page <= to; page += step) pages.add(page - 1); }
}
