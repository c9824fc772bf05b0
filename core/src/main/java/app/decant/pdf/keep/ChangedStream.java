package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.read.ShownGlyph;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;

/**
 * A content stream in which operators that show text are written anew and all other bytes stay: a page's own, or that of a form which it calls. A form is
 * changed in a copy for that one call, so that whoever else uses it has it as it was.
 */
final class ChangedStream {
    private static final Set<String> SHOWING = Set.of("Tj", "TJ", "'", "\"");

    private final byte[] content;
    private final List<StreamOperators.Found> operators;
    private final COSDictionary resources;
    private final String original;
    private final Map<Integer, TextRewriting> rewritten = new TreeMap<>();
    private final Map<Integer, ChangedStream> called = new TreeMap<>();

    private ChangedStream(byte[] content, COSDictionary resources, String original) throws IOException {
        this.content = content;
        this.operators = StreamOperators.of(content);
        this.resources = resources == null ? new COSDictionary() : resources;
        this.original = original;
    }

    static ChangedStream of(InputStream page, COSDictionary resources) throws IOException { return new ChangedStream(page.readAllBytes(), resources, ""); }

    /** The stream that shows a glyph. */
    ChangedStream of(ShownGlyph glyph) throws IOException, PageRewriting.Refused {
        ChangedStream at = this;
        for (int call : glyph.path()) at = at.calledBy(call);
        return at;
    }

    private ChangedStream calledBy(int call) throws IOException, PageRewriting.Refused {
        ChangedStream known = called.get(call);
        if (known != null) return known;
        StreamOperators.Found operator = call < operators.size() ? operators.get(call) : null;
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        if (operator == null || !operator.name().equals("Do") || objects == null || !(operator.operands().get(0) instanceof COSName name)
                || !(objects.getDictionaryObject(name) instanceof COSStream form))
            throw new PageRewriting.Refused("its text stands in a form that is not found");
        // Its tags name the form itself (table 357), which a copy is not.
        if (form.containsKey(COSName.getPDFName("StructParents"))) throw new PageRewriting.Refused("its text stands in a form that is tagged");
        try (InputStream in = form.createInputStream()) {
            COSDictionary own = form.getCOSDictionary(COSName.RESOURCES);
            ChangedStream made = new ChangedStream(in.readAllBytes(), own == null ? resources : own, name.getName());
            called.put(call, made);
            return made;
        }
    }

    /** The operator that shows a glyph. */
    StreamOperators.Found operator(ShownGlyph glyph) throws PageRewriting.Refused {
        StreamOperators.Found found = glyph.operator() < operators.size() ? operators.get(glyph.operator()) : null;
        if (found == null || !SHOWING.contains(found.name())) throw new PageRewriting.Refused("its text is not where it seems to be");
        return found;
    }

    /** The operator that shows a glyph, to be written anew. */
    TextRewriting rewriting(ShownGlyph glyph, List<ShownGlyph> all) throws PageRewriting.Refused {
        TextRewriting known = rewritten.get(glyph.operator());
        if (known != null) return known;
        TextRewriting made = new TextRewriting(operator(glyph), glyph);
        for (ShownGlyph one : all) if (one.operator() == glyph.operator() && glyph.path().equals(one.path())) made.shows(one);
        rewritten.put(glyph.operator(), made);
        return made;
    }

    /** The stream as it is to be, and the forms that it calls anew; what is called only to be looked at stays as it is. */
    byte[] made(List<Rewritten.Form> forms) throws IOException {
        Map<Integer, byte[]> others = new TreeMap<>();
        for (Map.Entry<Integer, TextRewriting> one : rewritten.entrySet()) others.put(one.getKey(), one.getValue().bytes());
        for (Map.Entry<Integer, ChangedStream> one : called.entrySet()) {
            if (!one.getValue().isChanged()) continue;
            List<Rewritten.Form> inner = new ArrayList<>();
            byte[] bytes = one.getValue().made(inner);
            String name = free(forms.size());
            forms.add(new Rewritten.Form(name, one.getValue().original, bytes, inner));
            others.put(one.getKey(), ("\n/" + name + " Do").getBytes(StandardCharsets.US_ASCII));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream(content.length + 256);
        int at = 0;
        for (Map.Entry<Integer, byte[]> one : others.entrySet()) {
            StreamOperators.Found operator = operators.get(one.getKey());
            out.write(content, at, operator.from() - at);
            out.write(one.getValue());
            at = operator.to();
        }
        out.write(content, at, content.length - at);
        return out.toByteArray();
    }

    private boolean isChanged() { return !rewritten.isEmpty() || called.values().stream().anyMatch(ChangedStream::isChanged); }

    private String free(int count) {
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        int number = count + 1;
        while (objects != null && objects.containsKey(COSName.getPDFName("Changed" + number))) number += 100;
        return "Changed" + number;
    }

    /**
     * Puts a page's new streams in place of its own: streams and resources of its own, so that nothing shared is touched.
     *
     * @param create makes a stream of the file
     */
    static void put(Rewritten rewritten, COSDictionary page, COSDictionary shared, Streams create) throws IOException {
        page.setItem(COSName.CONTENTS, create.stream(rewritten.content(), null));
        if (!rewritten.forms().isEmpty()) page.setItem(COSName.RESOURCES, with(rewritten.forms(), shared, create));
    }

    /** Makes streams in the file that is written. */
    interface Streams {
        /** A stream with these bytes, and all else that another says of itself, or null for none. */
        COSStream stream(byte[] content, COSStream like) throws IOException;
    }

    private static COSDictionary with(List<Rewritten.Form> forms, COSDictionary shared, Streams create) throws IOException {
        COSDictionary resources = new COSDictionary(shared);
        COSDictionary objects = new COSDictionary(shared.getCOSDictionary(COSName.XOBJECT));
        resources.setItem(COSName.XOBJECT, objects);
        for (Rewritten.Form form : forms) {
            COSBase original = objects.getDictionaryObject(COSName.getPDFName(form.original()));
            if (!(original instanceof COSStream like)) throw new IOException("The form " + form.original() + " is not there");
            COSStream copy = create.stream(form.content(), like);
            COSDictionary own = copy.getCOSDictionary(COSName.RESOURCES);
            if (!form.forms().isEmpty()) copy.setItem(COSName.RESOURCES, with(form.forms(), own == null ? shared : own, create));
            objects.setItem(COSName.getPDFName(form.name()), copy);
        }
        return resources;
    }
}
