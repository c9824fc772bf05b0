package app.decant.format;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.FormField;
import app.decant.document.Inline;
import app.decant.document.Link;
import app.decant.document.Opaque;
import app.decant.document.OpaqueBlock;
import app.decant.document.Paragraph;
import app.decant.document.Rewriting;
import app.decant.document.TextProperty;
import app.decant.words.Message;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Leaves out of a document what would run something or reach into a machine once somebody opens a result: links by other schemes than the usual ones,
 * fields that fetch, and what kept parts fetch from outside. The words stay; what was left out is told, a line for each kind.
 */
public final class PassingLinks extends Rewriting {
    /** Fields that fetch or start something when a word processor works them out (ISO/IEC 29500-1, 17.16.5; MS-DOC, 2.9.90). */
    private static final Set<String> FETCHING = Set.of("DDE", "DDEAUTO", "LINK", "INCLUDE", "INCLUDETEXT", "INCLUDEPICTURE", "IMPORT", "DATABASE",
            "MACROBUTTON", "RD", "HTMLACTIVEX", "CONTROL", "ADDIN");
    private static final Pattern OUTSIDE = Pattern.compile("<(?:\\w+:)?Relationship\\b[^>]*\\bTargetMode\\s*=\\s*[\"']External[\"'][^>]*>");
    private static final Pattern TARGET = Pattern.compile("\\bTarget\\s*=\\s*(?:\"([^\"]*)\"|'([^']*)')");
    /** Fields of forms may name what runs when they are come to or left (17.16.15, 17.16.19). */
    private static final Pattern MACROS = Pattern.compile("<w:(?:entry|exit)Macro\\b[^>]*/>");
    private static final String NOWHERE = "about:blank";

    private final Set<String> others;
    private final Map<String, Integer> links = new TreeMap<>();
    private int fields;
    private int parts;

    private PassingLinks(Set<String> others) { this.others = others; }

    /**
     * The document with what may pass.
     *
     * @param others   schemes that pass besides the usual ones
     * @param findings told what was left out
     */
    public static Document of(Document document, Set<String> others, List<Finding> findings) {
        PassingLinks passing = new PassingLinks(others);
        Document result = passing.withParts(passing.document(document));
        passing.links.forEach((scheme, count) -> findings.add(Link.Address.leftOut(scheme, count)));
        if (passing.fields > 0) findings.add(Finding.changed(Message.of("format.fields-that-would-fetch-or-start-something", passing.fields)));
        if (passing.parts > 0) findings.add(Finding.changed(Message.of("format.what-the-document-would-fetch-from-outside")));
        return result;
    }

    private Document withParts(Document document) {
        List<Opaque.Part> kept = document.kept().stream().map(this::part).toList();
        return kept.equals(document.kept()) ? document : document.withKept(kept);
    }

    @Override protected Block block(Block block) {
        if (!(block instanceof OpaqueBlock kept)) return super.block(block);
        Opaque made = opaque(kept.opaque());
        return made == kept.opaque() ? kept : new OpaqueBlock(made);
    }

    @Override protected Paragraph paragraph(Paragraph paragraph) {
        List<Inline> inlines = new ArrayList<>();
        boolean same = true;
        // One link often is several runs; it is told once.
        Link before = null;
        for (Inline inline : paragraph.inlines()) {
            Link link = inline.look().get(TextProperty.LINK);
            boolean out = link instanceof Link.Address address && !address.passes(others);
            if (out && !link.equals(before)) links.merge(((Link.Address) link).scheme(), 1, Integer::sum);
            before = link;
            Inline own = inline(out ? inline.with(inline.look().without(TextProperty.LINK)) : inline);
            same &= own == inline;
            inlines.add(own);
        }
        return same ? paragraph : paragraph.withInlines(inlines);
    }

    @Override protected Inline inline(Inline inline) {
        FormField form = inline.look().get(TextProperty.FORM);
        if (form != null && form.source() != null && MACROS.matcher(form.source()).find()) {
            fields++;
            return inline(inline.with(inline.look().with(TextProperty.FORM, form.withSource(MACROS.matcher(form.source()).replaceAll("")))));
        }
        if (inline instanceof Inline.Field field && fetches(field)) {
            fields++;
            return new Inline.Text(field.result() == null ? "" : field.result(), field.look());
        }
        if (inline instanceof Inline.OpaqueInline kept) {
            Opaque made = opaque(kept.opaque());
            return made == kept.opaque() ? kept : new Inline.OpaqueInline(made, kept.look());
        }
        return super.inline(inline);
    }

    private static boolean fetches(Inline.Field field) {
        return field.kind() == Inline.Field.Kind.OTHER && FETCHING.contains(field.instruction().trim().split("\\s+")[0].toUpperCase(Locale.ROOT));
    }

    /** Its markup names its parts, so that one that may not pass leads nowhere rather than missing. */
    private Opaque opaque(Opaque opaque) {
        Map<String, Opaque.Part> made = new LinkedHashMap<>();
        boolean changed = false;
        for (Map.Entry<String, Opaque.Part> entry : opaque.parts().entrySet()) {
            Opaque.Part part = part(entry.getValue());
            changed |= part != entry.getValue();
            made.put(entry.getKey(), part);
        }
        return changed ? new Opaque(opaque.family(), opaque.what(), opaque.source(), made, opaque.likeness()) : opaque;
    }

    private Opaque.Part part(Opaque.Part part) {
        if (part.bytes() == null) {
            if (mayPass(part.role(), part.name())) return part;
            return new Opaque.Part(NOWHERE, part.type(), part.role(), null);
        }
        if (!part.name().endsWith(".rels")) return part;
        String xml = new String(part.bytes(), StandardCharsets.UTF_8);
        Matcher relation = OUTSIDE.matcher(xml);
        StringBuilder made = new StringBuilder();
        boolean changed = false;
        while (relation.find()) {
            Matcher target = TARGET.matcher(relation.group());
            String address = !target.find() ? "" : target.group(1) != null ? target.group(1) : target.group(2);
            boolean passes = mayPass(relation.group().contains("/hyperlink") ? "hyperlink" : "", address);
            changed |= !passes;
            relation.appendReplacement(made, Matcher.quoteReplacement(passes ? relation.group() : TARGET.matcher(relation.group())
                    .replaceFirst("Target=\"" + NOWHERE + "\"")));
        }
        relation.appendTail(made);
        return changed ? new Opaque.Part(part.name(), part.type(), part.role(), made.toString().getBytes(StandardCharsets.UTF_8)) : part;
    }

    /** Links pass by their scheme; everything else that leads outside is fetched without being asked for. */
    private boolean mayPass(String role, String address) {
        if (address.equals(NOWHERE)) return true;
        Link.Address link = new Link.Address(address);
        if (!String.valueOf(role).endsWith("hyperlink")) parts++;
        else if (link.passes(others)) return true;
        else links.merge(link.scheme(), 1, Integer::sum);
        return false;
    }
}
