package app.decant.document;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Makes web and mail addresses that stand in the text live, as links (RFC 3986, RFC 6068). */
public final class AddressFinder {
    private static final Pattern ADDRESS = Pattern.compile("(?<![\\w@/])(?:(https?://|mailto:|www\\.)[^\\s<>\"“”‘’]+|[\\w.+-]+@(?:[\\w-]+\\.)+[a-zA-Z]{2,})");

    private AddressFinder() { }

    /**
     * The document with links where addresses are written out; those that are links already stay.
     *
     * @param look laid over the linked words, such as an underline and a colour; plain to leave them as they are
     */
    public static Document linked(Document document, Look look) {
        Document result = document;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            Paragraph linked = linked(stop.paragraph(), look);
            if (linked != stop.paragraph()) result = result.replacing(stop.path().parent(), stop.path().last(), stop.path().last() + 1, List.of(linked));
        }
        return result;
    }

    /** Where addresses stand in a text: where each begins and ends. */
    public static List<int[]> addresses(String text) {
        if (text.indexOf('@') < 0 && text.indexOf("://") < 0 && text.indexOf("www.") < 0) return List.of();
        List<int[]> found = new ArrayList<>();
        for (Matcher matcher = ADDRESS.matcher(text); matcher.find(); )
            found.add(new int[] {matcher.start(), matcher.start() + trimmed(matcher.group()).length()});
        return found;
    }

    private static Paragraph linked(Paragraph paragraph, Look look) {
        String text = paragraph.plainText();
        if (text.indexOf('@') < 0 && text.indexOf("://") < 0 && text.indexOf("www.") < 0) return paragraph;
        List<Inline> inlines = new ArrayList<>();
        boolean any = false;
        for (Inline inline : paragraph.inlines()) {
            if (!(inline instanceof Inline.Text run) || run.look().says(TextProperty.LINK)) {
                inlines.add(inline);
                continue;
            }
            int at = 0;
            for (Matcher matcher = ADDRESS.matcher(run.text()); matcher.find(); ) {
                String address = trimmed(matcher.group());
                if (address.length() < 5) continue;
                if (matcher.start() > at) inlines.add(new Inline.Text(run.text().substring(at, matcher.start()), run.look()));
                inlines.add(new Inline.Text(address, look.over(run.look()).with(TextProperty.LINK, new Link.Address(uri(address)))));
                at = matcher.start() + address.length();
                any = true;
            }
            if (at < run.text().length()) inlines.add(at == 0 ? run : new Inline.Text(run.text().substring(at), run.look()));
        }
        return any ? paragraph.withInlines(inlines) : paragraph;
    }

    /** Stops and brackets after an address belong to the sentence. */
    private static String trimmed(String address) {
        String result = address;
        while (!result.isEmpty()) {
            char last = result.charAt(result.length() - 1);
            boolean bracket = last == ')' && result.indexOf('(') < 0;
            if (".,;:!?'".indexOf(last) < 0 && !bracket) break;
            result = result.substring(0, result.length() - 1);
        }
        return result;
    }

    private static String uri(String address) {
        if (address.startsWith("www.")) return "https://" + address;
        return address.contains("://") || address.startsWith("mailto:") ? address : "mailto:" + address;
    }
}
