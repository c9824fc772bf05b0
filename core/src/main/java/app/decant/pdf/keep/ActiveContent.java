package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.document.Link;
import app.decant.words.Message;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNull;
import org.apache.pdfbox.cos.COSObject;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;

/**
 * What in a file would run, start or fetch something when it is read (ISO 32000-2, 12.6.4): scripts, programs, data sent away, addresses of schemes that
 * may not pass. It is taken out of what is published; the page under it stays as it is.
 */
final class ActiveContent {
    private static final int MOST = 4_000_000;
    private static final COSName SCRIPTS = COSName.getPDFName("JavaScript");

    private final PDDocument pdf;
    private final Set<String> addresses;
    private final Map<String, Integer> counts = new TreeMap<>();
    private final Map<String, Set<String>> left = new TreeMap<>();

    /** @param addresses schemes that pass besides the usual ones */
    ActiveContent(PDDocument pdf, Set<String> addresses) {
        this.pdf = pdf;
        this.addresses = addresses;
    }

    /** How many things there are that would run. */
    int count() { return counts.values().stream().mapToInt(Integer::intValue).sum() + left.values().stream().mapToInt(Set::size).sum(); }

    /** Looks at every object of the file. @param takes whether what is found is taken out, and what leads nowhere said to be nothing; or only counted */
    void each(boolean takes) {
        COSDictionary catalog = pdf.getDocumentCatalog().getCOSObject();
        COSDictionary names = catalog.getCOSDictionary(COSName.NAMES);
        if (names != null && names.getCOSDictionary(SCRIPTS) != null) {
            counts.merge("script", 1, Integer::sum);
            if (takes) names.removeItem(SCRIPTS);
        }
        Set<COSBase> seen = Collections.newSetFromMap(new IdentityHashMap<>());
        Deque<COSBase> open = new ArrayDeque<>(List.of(catalog));
        while (!open.isEmpty() && seen.size() < MOST) {
            COSBase at = open.pop();
            if (!seen.add(at)) continue;
            if (at instanceof COSDictionary dictionary) {
                for (COSName name : List.copyOf(dictionary.keySet())) {
                    COSBase value = plain(dictionary.getItem(name));
                    if (takes && leadsNowhere(dictionary.getItem(name), value)) dictionary.setItem(name, COSNull.NULL);
                    if (value instanceof COSDictionary action && runs(action)) {
                        if (takes) dictionary.removeItem(name);
                    } else if (value instanceof COSDictionary || value instanceof COSArray) {
                        open.push(value);
                    }
                }
            } else if (at instanceof COSArray array) {
                for (int i = array.size() - 1; i >= 0; i--) {
                    COSBase value = plain(array.get(i));
                    if (takes && leadsNowhere(array.get(i), value)) array.set(i, COSNull.NULL);
                    if (value instanceof COSDictionary action && runs(action)) {
                        if (takes) array.remove(i);
                    } else if (value instanceof COSDictionary || value instanceof COSArray) {
                        open.push(value);
                    }
                }
            }
        }
    }

    /** A reference to an object that is not there is nothing (7.3.10), and must not become one to whatever gets its number when the file is written. */
    private static boolean leadsNowhere(COSBase told, COSBase value) { return told instanceof COSObject && (value == null || value == COSNull.NULL); }

    private static COSBase plain(COSBase told) { return told instanceof COSObject object ? object.getObject() : told; }

    /** Whether a dictionary is an action that may not pass; such are told by their kind and what that needs, since many leave their type out. */
    private boolean runs(COSDictionary action) {
        String kind = action.getDictionaryObject(COSName.S) instanceof COSName name ? name.getName() : "";
        return switch (kind) {
            case "JavaScript" -> action.containsKey(COSName.JS) && found("script");
            case "Launch" -> (action.containsKey(COSName.F) || action.containsKey(COSName.getPDFName("Win")) || action.containsKey(COSName.getPDFName("Unix"))
                    || action.containsKey(COSName.getPDFName("Mac"))) && found("program");
            case "Rendition" -> action.containsKey(COSName.JS) && found("script");
            case "SubmitForm", "ImportData" -> action.containsKey(COSName.F) && found("sending");
            case "URI" -> action.getDictionaryObject(COSName.URI) instanceof COSString address && stops(address.getString());
            default -> false;
        };
    }

    private boolean found(String what) {
        counts.merge(what, 1, Integer::sum);
        return true;
    }

    private boolean stops(String told) {
        Link.Address address = new Link.Address(told);
        if (address.passes(addresses)) return false;
        left.computeIfAbsent(address.scheme(), scheme -> new HashSet<>()).add(told);
        return true;
    }

    /** What was taken out, in sentences. */
    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        say(findings, "script", "keep.scripts-in-it-were-taken-out-they");
        say(findings, "program", "keep.actions-that-would-start-programs-were-taken");
        say(findings, "sending", "keep.actions-that-would-send-something-were-taken");
        left.forEach((scheme, some) -> findings.add(Link.Address.leftOut(scheme, some.size())));
        return findings;
    }

    private void say(List<Finding> findings, String what, String key) {
        int count = counts.getOrDefault(what, 0);
        if (count > 0) findings.add(Finding.lost(Message.of(key, count)));
    }
}
